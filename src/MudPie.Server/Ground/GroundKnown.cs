using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Server.Web;

namespace MudPie.Server.Ground;

/// <summary>One thing that is known of a bed, and since when.</summary>
/// <param name="Kind">leaves, check, got or harvest.</param>
/// <param name="Text">What: "leaves 8.6 °Bx".</param>
/// <param name="At">Since when.</param>
/// <param name="Link">Where it lies open.</param>
public sealed record KnownLine(string Kind, string Text, DateTimeOffset At, string Link);

/// <summary>What is known of each bed: the newest of each kind, newest first.</summary>
public static class GroundKnown
{
    /// <summary>By bed.</summary>
    public static async Task<IReadOnlyDictionary<int, IReadOnlyList<KnownLine>>> Of(HoldingDb db, UnitSystem units,
        IReadOnlyDictionary<int, BedLife> lives)
    {
        var visits = db.BrixVisits.ThatStand().Where(v => v.Weed == null && v.Readings.Count > 0);
        var jobs = db.Applications.ThatStand();
        var harvests = db.Harvests.ThatStand();
        var newest = await db.Beds.AsNoTracking().OrderBy(b => b.Id).Take(500).Select(b => new {
            b.Id,
            Leaf = visits.Where(v => v.BedId == b.Id).OrderByDescending(v => v.At).Select(v => (int?)v.Id).FirstOrDefault(),
            Job = jobs.Where(j => j.Beds.Any(x => x.BedId == b.Id)).OrderByDescending(j => j.At).Select(j => (int?)j.Id).FirstOrDefault(),
            Harvest = harvests.Where(h => h.BedId == b.Id).OrderByDescending(h => h.At).Select(h => (int?)h.Id).FirstOrDefault(),
        }).ToListAsync();
        var (leafIds, jobIds, harvestIds) = (newest.Select(n => n.Leaf).ToHashSet(), newest.Select(n => n.Job).ToHashSet(),
            newest.Select(n => n.Harvest).ToHashSet());
        var leaves = await visits.AsNoTracking().Where(v => leafIds.Contains(v.Id))
            .Select(v => new { v.Id, v.At, Mean = v.Readings.Average(r => r.At20) }).ToDictionaryAsync(v => v.Id);
        var done = await jobs.AsNoTracking().Where(j => jobIds.Contains(j.Id)).Select(j => new {
            j.Id, j.At, j.Purpose, j.Solid,
            What = j.BatchId != null ? "brew" : j.Items.Select(i => i.Input!.Name).FirstOrDefault() ?? "something"
        }).ToDictionaryAsync(j => j.Id);
        var cuts = await harvests.AsNoTracking().Where(h => harvestIds.Contains(h.Id)).ToDictionaryAsync(h => h.Id);
        return newest.ToDictionary(r => r.Id, r =>
        {
            var lines = new List<KnownLine>();
            if (r.Leaf is { } leafId && leaves[leafId] is var leaf)
            {
                lines.Add(new("leaves", $"leaves {Say.Fixed(leaf.Mean, 1)} °Bx", leaf.At, $"/look/leaves/{r.Id}"));
            }

            if (lives.GetValueOrDefault(r.Id) is { Newest: { } seen } ground)
            {
                lines.Add(new("check", $"ground {ground.Answer.Value.Says}", seen, ground.Peg is { } peg ? $"/look/pegs/{peg}"
                    : "/look/checks"));
            }

            if (r.Job is { } jobId && done[jobId] is var job)
            {
                lines.Add(new("got", $"got {job.What} on {(job.Solid ? "the ground" : job.Purpose == Purpose.Leaf ? "leaves" : "roots")}",
                    job.At, $"/book?entry={job.Id}"));
            }

            if (r.Harvest is { } cutId && cuts[cutId] is var cut)
            {
                lines.Add(new("harvest", $"{Units.Show(cut.Kg * 1000, Dimension.Mass, units)} of {cut.Crop} harvested", cut.At,
                    $"/book?bed={r.Id}"));
            }

            return (IReadOnlyList<KnownLine>)[.. lines.OrderByDescending(l => l.At)];
        });
    }
}
