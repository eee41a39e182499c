using Microsoft.EntityFrameworkCore;
using MudPie.Records;
using MudPie.Server.Web;

namespace MudPie.Server.Book;

/// <summary>What happened on a bed on a day.</summary>
/// <param name="On">The day there.</param>
/// <param name="Kind">"job", "batch", "harvest" or "seen".</param>
/// <param name="Count">How many of them.</param>
/// <param name="Title">What; of several, the first.</param>
public sealed record YearMark(DateOnly On, string Kind, int Count, string Title);

/// <summary>A bed's line of the year.</summary>
/// <param name="BedId">The bed; null for what belongs to none.</param>
/// <param name="Bed">Its name, or "no bed".</param>
/// <param name="Marks">In order.</param>
public sealed record YearRow(int? BedId, string Bed, IReadOnlyList<YearMark> Marks);

/// <summary>A year as a line.</summary>
/// <param name="From">Its first day.</param>
/// <param name="To">Its last day.</param>
/// <param name="Years">Years of which something is written.</param>
/// <param name="Rows">Beds on which something happened.</param>
public sealed record YearView(DateOnly From, DateOnly To, IReadOnlyList<int> Years, IReadOnlyList<YearRow> Rows);

/// <summary>The book as a year line: what happened where.</summary>
public static class YearEndpoints
{
    private const int Most = 5000; // marks of a year; more are not drawn apart anyway

    /// <summary>What can be asked.</summary>
    public static void MapYear(this IEndpointRouteBuilder api) =>
        api.MapGet("/book/year", Read).ForVisitor("The book of a year, by bed and day.");

    private sealed record Deed(DateTimeOffset At, string Kind, string Title, int? BedId);

    private static async Task<Ok<YearView>> Read(HoldingDb db, HoldingClock clock, int? year = null)
    {
        var local = await clock.Local();
        var days = await Days(db, local);
        var shown = year is { } asked && asked is > 1900 and < 2200 ? asked : days.Count > 0 ? days[0] : local(clock.Now).Year;
        var (from, to) = (new DateOnly(shown, 1, 1), new DateOnly(shown, 12, 31));
        // a day more at both ends: the zone decides
        var (start, end) = (new DateTimeOffset(from.AddDays(-1).ToDateTime(TimeOnly.MinValue), TimeSpan.Zero),
            new DateTimeOffset(to.AddDays(2).ToDateTime(TimeOnly.MinValue), TimeSpan.Zero));
        var names = await db.Beds.AsNoTracking().ToDictionaryAsync(b => b.Id, b => b.Name);
        var rows = (await Deeds(db, start, end)).Select(d => (Deed: d, On: DateOnly.FromDateTime(local(d.At).DateTime)))
            .Where(d => d.On >= from && d.On <= to).GroupBy(d => d.Deed.BedId)
            .OrderBy(g => g.Key ?? int.MaxValue).Select(g => new YearRow(g.Key, g.Key is { } id ? names.GetValueOrDefault(id, "a bed")
                : "no bed", [.. g.GroupBy(d => (d.On, d.Deed.Kind)).OrderBy(m => m.Key.On)
                    .Select(m => new YearMark(m.Key.On, m.Key.Kind, m.Count(), m.First().Deed.Title))])).ToList();
        return TypedResults.Ok(new YearView(from, to, days, rows));
    }

    private static async Task<List<int>> Days(HoldingDb db, Func<DateTimeOffset, DateTimeOffset> local)
    {
        var ends = new List<DateTimeOffset?> {
            await db.Applications.MinAsync(a => (DateTimeOffset?)a.At), await db.Applications.MaxAsync(a => (DateTimeOffset?)a.At),
            await db.Harvests.MinAsync(a => (DateTimeOffset?)a.At), await db.Harvests.MaxAsync(a => (DateTimeOffset?)a.At),
            await db.Observations.MinAsync(a => (DateTimeOffset?)a.At), await db.Observations.MaxAsync(a => (DateTimeOffset?)a.At),
            await db.Batches.MinAsync(a => a.StartedAt), await db.Batches.MaxAsync(a => a.StartedAt),
        }.OfType<DateTimeOffset>().Select(at => local(at).Year).ToList();
        return ends.Count == 0 ? [] : [.. Enumerable.Range(ends.Min(), Math.Min(ends.Max() - ends.Min() + 1, 60)).Reverse()];
    }

    private static async Task<List<Deed>> Deeds(HoldingDb db, DateTimeOffset start, DateTimeOffset end)
    {
        var corrected = db.Applications.Where(a => a.CorrectsId != null).Select(a => a.CorrectsId);
        var jobs = await db.Applications.AsNoTracking().Where(a => a.At >= start && a.At < end && !a.Strikes && !corrected.Contains(a.Id))
            .OrderBy(a => a.At).Take(Most).Select(a => new { a.At, a.Batch!.Name, Beds = a.Beds.Select(b => b.BedId).ToList() })
            .ToListAsync();
        var batches = await db.Batches.AsNoTracking().Where(b => b.StartedAt >= start && b.StartedAt < end).OrderBy(b => b.StartedAt)
            .Take(Most).Select(b => new { b.StartedAt, b.Name, Beds = b.Beds.Select(x => x.BedId).ToList() }).ToListAsync();
        var righted = db.Harvests.Where(h => h.CorrectsId != null).Select(h => h.CorrectsId);
        var harvests = await db.Harvests.AsNoTracking().Where(h => h.At >= start && h.At < end && !righted.Contains(h.Id))
            .Select(h => new Deed(h.At, "harvest", h.Crop + " harvested", h.BedId)).Take(Most).ToListAsync();
        var later = db.Observations.Where(o => o.CorrectsId != null).Select(o => o.CorrectsId);
        var seen = await db.Observations.AsNoTracking().Where(o => o.At >= start && o.At < end && !later.Contains(o.Id))
            .Select(o => new Deed(o.At, "seen", o.Text, o.BedId)).Take(Most).ToListAsync();
        return [
            .. jobs.SelectMany(a => a.Beds.Select(b => new Deed(a.At, "job", a.Name is { } name ? $"{name} put out" : "put out", b))),
            .. batches.SelectMany(b => b.Beds.Select(x => new Deed(b.StartedAt!.Value, "batch", $"{b.Name} begun", x))),
            .. harvests, .. seen];
    }
}
