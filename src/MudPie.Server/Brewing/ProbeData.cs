using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Records;
using MudPie.Records.Brewing;

namespace MudPie.Server.Brewing;

/// <summary>Something that happened to a probe.</summary>
public sealed record ProbeEventView(DateTimeOffset At, string Kind, string Text);

/// <summary>A probe as a screen wants it.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Simulated">It says so itself.</param>
/// <param name="Readings">Kept so far.</param>
/// <param name="LastAt">When the last came; null where none has.</param>
/// <param name="Drift">What it reads above hand readings, mg/L; null where there is nothing to compare.</param>
/// <param name="Says">In a sentence.</param>
/// <param name="Points">At most some hundred means, for drawing.</param>
/// <param name="Events">Newest first.</param>
public sealed record ProbeView(
    int Id, string Name, bool Simulated, string Host, int Port, int Readings, DateTimeOffset? LastAt, double? LastMgPerL, double? Drift,
    string Says, IReadOnlyList<ProbePoint> Points, IReadOnlyList<ProbeEventView> Events);

/// <summary>A probe's readings, thinned by the file itself.</summary>
public static class ProbeData
{
    private sealed record Bucket(long At, double Mg, double Low, double High, double Warmth, int Count);

    /// <summary>The probe in a batch, or null.</summary>
    public static async Task<ProbeLink?> Link(HoldingDb db, int batchId) =>
        await db.Probes.AsNoTracking().Where(p => p.BatchId == batchId).OrderBy(p => p.DetachedAt == null ? 0 : 1)
            .ThenByDescending(p => p.Id).FirstOrDefaultAsync();

    /// <summary>Means over stretches of so many minutes, from the start of a batch on.</summary>
    public static async Task<List<ProbePoint>> Means(HoldingDb db, int linkId, DateTimeOffset started, double minutes)
    {
        var width = (long)(minutes * 60_000);
        var from = started.ToUnixTimeMilliseconds();
        var buckets = await db.Database.SqlQuery<Bucket>(
            $"""
            SELECT MIN(At) AS At, AVG(MgPerL) AS Mg, MIN(MgPerL) AS Low, MAX(MgPerL) AS High, AVG(TemperatureC) AS Warmth, COUNT(*) AS Count
            FROM ProbeReadings WHERE ProbeLinkId = {linkId} AND At >= {from} GROUP BY (At - {from}) / {width} ORDER BY 1
            """).ToListAsync();
        return [.. buckets.Select(b => new ProbePoint((Math.Floor((b.At - from) / (double)width) + 0.5) * minutes / 60, b.Mg, b.Low, b.High,
            b.Warmth, b.Count))];
    }

    /// <summary>The probe in the form that a screen reads.</summary>
    public static async Task<ProbeView?> View(HoldingDb db, Batch batch, DateTimeOffset now)
    {
        if (batch.StartedAt is not { } started || await Link(db, batch.Id) is not { } link)
        {
            return null;
        }

        var span = Math.Max(((batch.AirOffAt ?? now) - started).TotalHours, 1);
        // Counted first: what comes while it is read may lie among the points already, and never the other way round.
        var count = await db.ProbeReadings.CountAsync(r => r.ProbeLinkId == link.Id);
        var points = await Means(db, link.Id, started, Math.Max(2, Math.Round(span * 60 / 300)));
        var fine = await Means(db, link.Id, started, 10);
        var last = await db.ProbeReadings.AsNoTracking().Where(r => r.ProbeLinkId == link.Id).OrderByDescending(r => r.Sequence)
            .FirstOrDefaultAsync();
        var events = await db.ProbeEvents.AsNoTracking().Where(e => e.ProbeLinkId == link.Id).OrderByDescending(e => e.Id).Take(12)
            .Select(e => new ProbeEventView(e.At, e.Kind, e.Text)).ToListAsync();
        var drift = Probes.Drift(fine, ByHand(batch, started));
        return new ProbeView(link.Id, link.Name, link.Simulated, link.Host, link.Port, count, last?.At, last?.MgPerL, drift,
            Probes.Says(link.DetachedAt is not null, last?.At, drift, now), points, events);
    }

    /// <summary>Hand readings by the hour.</summary>
    public static IEnumerable<SeenAt<double>> ByHand(Batch batch, DateTimeOffset started) =>
        LiveBrew.Standing(batch).Where(l => l.Kind == LogKind.Oxygen && l.Source != "logger")
            .Select(l => new SeenAt<double>((l.At - started).TotalHours, l.Number ?? 0));
}
