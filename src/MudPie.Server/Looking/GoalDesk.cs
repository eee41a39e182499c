using Microsoft.EntityFrameworkCore;
using MudPie.Core.Judging;
using MudPie.Core.Judging.Reckoning;
using MudPie.Core.Looking;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Looking;
using MudPie.Server.Reckoning;
using MudPie.Server.Web;

namespace MudPie.Server.Looking;

/// <summary>What goals are measured by, and what hangs from them.</summary>
internal static class GoalDesk
{
    /// <summary>What was measured since the baseline.</summary>
    public static async Task<IReadOnlyList<GoalPoint>> Points(Goal g, HoldingDb db, HoldingClock clock)
    {
        var local = await clock.Local();
        DateOnly Day(DateTimeOffset at) => DateOnly.FromDateTime(local(at).DateTime);
        if (g.Measure == GoalMeasure.Brix)
        {
            var visits = await db.BrixVisits.ThatStand().AsNoTracking().Include(v => v.Readings).Where(v => v.Weed == null
                && v.LeafPosition == LeafPosition.Top && v.Readings.Count > 0 && (g.BedId == null || v.BedId == g.BedId)).ToListAsync();
            return [.. visits.GroupBy(v => Day(v.At)).OrderBy(d => d.Key).Select(d =>
            {
                var value = BrixReadings.Value([.. d.SelectMany(v => v.Readings).Select(r => r.At20)]);
                return new GoalPoint(d.Key, value.Mean, value.Low95, value.High95);
            })];
        }

        if (g.Measure == GoalMeasure.Check)
        {
            var checks = await db.GroundChecks.ThatStand().AsNoTracking().Where(c => c.Kind == g.Check && (g.BedId == null
                || c.Peg.BedId == g.BedId)).OrderBy(c => c.At).Select(c => new { c.PegId, c.At, c.Figure, c.Lower, c.Upper }).ToListAsync();
            return GoalMeasures.Rounds([.. checks.Select(c => new GoalCheck(c.PegId, Day(c.At), Told(g, c.Figure), Told(g, c.Lower),
                Told(g, c.Upper)))], Shares(g) ? 100 : double.PositiveInfinity);
        }

        var begins = await db.Applications.MinAsync(a => (DateTimeOffset?)a.At) ?? clock.Now;
        return GoalMeasures.Rolling([.. (await Amounts(g, db)).Select(a => (Day(a.At), a.Amount))], Day(begins), g.BaselineOn,
            Day(clock.Now));
    }

    /// <summary>Shares are told in per cent, as everywhere.</summary>
    private static double Told(Goal g, double figure) => Shares(g) ? figure * 100 : figure;

    private static bool Shares(Goal g) => g.Check is CheckKind.Crumbs or CheckKind.Roots or CheckKind.Cotton;

    private static double? Told(Goal g, double? figure) => figure is { } f ? Told(g, f) : null;

    private static async Task<List<(DateTimeOffset At, double Amount)>> Amounts(Goal g, HoldingDb db)
    {
        if (g.Measure == GoalMeasure.Harvest)
        {
            return [.. (await db.Harvests.ThatStand().Where(h => g.BedId == null || h.BedId == g.BedId).Select(h => new { h.At, h.Kg })
                .ToListAsync()).Select(h => (h.At, h.Kg))];
        }

        var jobs = await db.Applications.ThatStand().AsNoTracking().AsSplitQuery().Where(a => (g.BedId == null || a.Beds.Any(b => b.BedId
                == g.BedId)) && (g.Measure != GoalMeasure.Uses || a.Items.Any(i => i.InputId == g.InputId)))
            .Include(a => a.Beds).ThenInclude(b => b.Bed).Include(a => a.Items).ThenInclude(i => i.Input).ToListAsync();
        if (g.Measure == GoalMeasure.Uses)
        {
            return [.. jobs.Select(j => (j.At, 1.0))];
        }

        var made = (await db.Lots.Where(l => l.Origin == LotOrigin.Made).Select(l => l.Id).ToListAsync()).ToHashSet();
        var hectares = await db.Beds.Where(b => g.BedId == null || b.Id == g.BedId).SumAsync(b => b.AreaM2) / 10_000;
        return [.. jobs.Select(j => (j.At, j.Items.Where(i => i.Input?.NShare is not null && !(i.LotId is { } lot && made.Contains(lot)))
            .Sum(i => i.Amount * (i.Unit == "L" ? i.Input!.Density ?? 1 : 1) * i.Input!.NShare!.Value)
                * Share(j, g.BedId) / Math.Max(hectares, 1e-9)))];
    }

    private static double Share(Records.PuttingOut.Application job, int? bed)
    {
        var all = job.Beds.Sum(b => b.TotalL);
        return bed is null ? 1 : all > 0 ? job.Beds.Where(b => b.BedId == bed).Sum(b => b.TotalL) / all
            : job.Beds.Where(b => b.BedId == bed).Sum(b => b.Bed.AreaM2) / Math.Max(job.Beds.Sum(b => b.Bed.AreaM2), 1e-9);
    }

    /// <summary>What may hang from a goal: jobs, brews and trials of the last year, and what hangs already.</summary>
    public static async Task<List<GoalHung>> Things(HoldingDb db, HoldingClock clock, JobsBook book, IReadOnlyList<GoalThing> hung)
    {
        var since = clock.Now.AddYears(-1);
        List<int> Of(string kind) => [.. hung.Where(h => h.Kind == kind).Select(h => h.ThingId).Distinct()];
        var (jobIds, batchIds, trialIds) = (Of("job"), Of("batch"), Of("trial"));
        var jobs = await db.Applications.ThatStand().AsNoTracking().AsSplitQuery().Where(a => jobIds.Contains(a.Id)
            || (a.At > since && a.Items.Any()))
            .OrderByDescending(a => a.At).Take(40 + jobIds.Count)
                .Select(a => new {
                    a.Id, a.At, a.BatchId, Items = a.Items.Select(i => i.Name).ToList(),
                    Beds = a.Beds.Select(b => b.Bed.Name).ToList(), Batch = a.Batch == null ? null : a.Batch.Name
                }).ToListAsync();
        var batches = await db.Batches.AsNoTracking().Where(b => batchIds.Contains(b.Id) || b.StartedAt > since)
            .OrderByDescending(b => b.StartedAt).Take(30 + batchIds.Count).Select(b => new { b.Id, b.StartedAt, b.Name }).ToListAsync();
        var trials = await db.Trials.AsNoTracking().OrderByDescending(t => t.Id).Take(20 + trialIds.Count).Select(t => new {
            t.Id,
            t.Question
        }).ToListAsync();
        var put = await PutInto(db, book, [.. jobs.Select(j => j.Id)], [.. batches.Select(b => b.Id)]);
        return [.. jobs.Select(j => new GoalHung("job", j.Id, j.At,
            $"{Say.List([.. new[] { j.Batch }.OfType<string>(), .. j.Items.Distinct()])}"
                + $" on {Say.List([.. j.Beds.Take(3)])}", $"/book?entry={j.Id}", put.GetValueOrDefault(("job", j.Id)).Money, false) {
                    OfBatch = j.BatchId, Hours = put.GetValueOrDefault(("job", j.Id)).Hours }),
            .. batches.Select(b => new GoalHung("batch", b.Id, b.StartedAt, b.Name, $"/brew/{b.Id}",
                put.GetValueOrDefault(("batch", b.Id)).Money, false) { Hours = put.GetValueOrDefault(("batch", b.Id)).Hours }),
            .. trials.Select(t => new GoalHung("trial", t.Id, null, t.Question, $"/judge/trials/{t.Id}", null, false))];
    }

    /// <summary>Hours and money of jobs and brews, by the reckoning's own sums; money is not known where a price is not.</summary>
    private static async Task<Dictionary<(string, int), (double? Hours, double? Money)>> PutInto(HoldingDb db, JobsBook book,
        List<int> jobs, List<int> batches)
    {
        var terms = await db.Reckonings.Newest();
        var parts = PutIn.Parts(await book.Of(db.Applications.ThatStand().Where(a => jobs.Contains(a.Id)
            || (a.BatchId != null && batches.Contains(a.BatchId.Value))), terms), terms);
        var put = new Dictionary<(string, int), (double? Hours, double? Money)>();
        void Add(string kind, int id, IEnumerable<PutInPart> of)
        {
            var sum = PutIn.Sum(of);
            put[(kind, id)] = (sum.Hours, sum.Unpriced.Count > 0 ? null : sum.Money);
        }

        foreach (var job in parts.GroupBy(p => p.JobId).Where(g => jobs.Contains(g.Key)))
        {
            Add("job", job.Key, job);
        }

        foreach (var brew in parts.Where(p => p.BatchId is { } b && p.Thing.Making is not null && batches.Contains(b))
            .GroupBy(p => p.BatchId!.Value))
        {
            Add("batch", brew.Key, brew);
        }

        foreach (var (id, made) in await book.Brewed([.. batches.Where(b => !put.ContainsKey(("batch", b)))], terms))
        {
            put[("batch", id)] = (made.Hours, made.Money); // begun, and not put out
        }

        return put;
    }
}
