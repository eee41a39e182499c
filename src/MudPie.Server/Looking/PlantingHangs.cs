using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;

namespace MudPie.Server.Looking;

/// <summary>All that hangs on a planting: uses, readings of leaves, checks, harvests, trials, what was done to the ground.</summary>
internal static class PlantingHangs
{
    private const int Most = 60;

    public static async Task<List<HangsOn>> Of(HoldingDb db, int bed, string name, (DateTimeOffset From, DateTimeOffset To) span,
        UnitSystem units)
    {
        var (from, to) = span;
        var uses = await db.Applications.ThatStand().AsNoTracking().Where(a => a.At >= from && a.At <= to
            && a.Beds.Any(b => b.BedId == bed))
            .OrderByDescending(a => a.At).Take(Most).Select(a => new {
                a.Id, a.At, a.Solid, a.Purpose, Batch = a.Batch == null ? null : a.Batch.Name, Items = a.Items.Select(i => i.Name).ToList()
            }).ToListAsync();
        var leaves = await db.BrixVisits.ThatStand().AsNoTracking().Where(v => v.BedId == bed && v.At >= from && v.At <= to
                && v.Weed == null && v.Readings.Count > 0).OrderByDescending(v => v.At).Take(Most)
            .Select(v => new { v.At, Mean = v.Readings.Average(r => r.At20) }).ToListAsync();
        var cuts = await db.Harvests.ThatStand().AsNoTracking().Where(h => h.BedId == bed && h.At >= from && h.At <= to)
            .OrderByDescending(h => h.At).Take(Most).Select(h => new { h.At, h.Kg, h.Crop }).ToListAsync();
        var checks = await db.GroundChecks.ThatStand().AsNoTracking().Where(c => c.Peg.BedId == bed && c.At >= from && c.At <= to)
            .OrderByDescending(c => c.At).Take(Most).Select(c => new { c.At, c.Shown, c.PegId, c.Peg.Name }).ToListAsync();
        var field = await db.FieldLog.ThatStand().AsNoTracking().Where(f => f.At >= from && f.At <= to && f.BedId == bed)
            .OrderByDescending(f => f.At).Take(Most).ToListAsync();
        var pests = await db.PestCounts.AsNoTracking().Where(p => p.BedId == bed && p.At >= from && p.At <= to)
            .OrderByDescending(p => p.At).Take(Most).Select(p => new { p.At, p.Pest, p.Count, p.Per }).ToListAsync();
        var trials = await db.Trials.AsNoTracking().Where(t => db.TrialPlots.Any(p => p.TrialId == t.Id && p.Place == name)
                && db.TrialReadings.Any(r => r.TrialId == t.Id && r.On >= from && r.On <= to))
            .OrderBy(t => t.Id).Take(10).Select(t => new {
                t.Id, t.Question, At = db.TrialReadings.Where(r => r.TrialId == t.Id)
                .Max(r => r.On)
            }).ToListAsync();
        return [.. uses.Select(u => new HangsOn("use", u.At,
            $"{Say.List([.. new[] { u.Batch }.OfType<string>(), .. u.Items.Distinct()])} on "
                + (u.Solid ? "the ground" : u.Purpose == Purpose.Leaf ? "leaves" : "roots"), $"/book?entry={u.Id}"))
            .Concat(leaves.Select(l => new HangsOn("leaves", l.At, $"leaves {Say.Fixed(l.Mean, 1)} °Bx", $"/look/leaves/{bed}")))
            .Concat(cuts.Select(c => new HangsOn("harvest", c.At, $"{Units.Show(c.Kg * 1000, Dimension.Mass, units)} of {c.Crop} harvested",
                $"/book?bed={bed}")))
            .Concat(checks.Select(c => new HangsOn("check", c.At, $"{c.Name}: {InUnits.Say(c.Shown, units)}", $"/look/pegs/{c.PegId}")))
            .Concat(field.Select(f => new HangsOn("field", f.At, FieldEndpoints.Says(f, units), null)))
            .Concat(pests.Select(p => new HangsOn("pests", p.At, $"{Say.Number(p.Count)} {p.Pest} a {p.Per}", $"/look/leaves/{bed}")))
            .Concat(trials.Select(t => new HangsOn("trial", t.At, t.Question, $"/judge/trials/{t.Id}")))
            .OrderByDescending(h => h.At).Take(120)];
    }
}
