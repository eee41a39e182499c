using Microsoft.EntityFrameworkCore;
using MudPie.Core.Ground;
using MudPie.Core.Judging.Reckoning;
using MudPie.Core.Shelf;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Records.PuttingOut;
using MudPie.Server.Lots;
using MudPie.Server.Web;

namespace MudPie.Server.Reckoning;

/// <summary>Work beside what was put out: hours that belong to no practice.</summary>
/// <param name="Id">Stable name.</param>
/// <param name="Name">What.</param>
/// <param name="Work">Its hands.</param>
/// <param name="Money">Of what has a price.</param>
/// <param name="Says">What it is for.</param>
public sealed record WorkBeside(string Id, string Name, IReadOnlyList<Spent> Work, double Money, string Says);

/// <summary>Reads what was put out in a span, and what was done beside, for the core to reckon with.</summary>
public sealed class JobsBook(HoldingDb db, HoldingClock clock, LotCosts lots)
{
    private const double BarrowL = 80;

    /// <summary>Jobs that stand, each with its things, ground, hands and money.</summary>
    /// <param name="from">From this moment on.</param>
    /// <param name="to">And before this one.</param>
    /// <param name="terms">The grower's own terms.</param>
    public async Task<IReadOnlyList<JobOut>> Jobs(DateTimeOffset from, DateTimeOffset to, ReckoningTerms terms)
    {
        var jobs = await Of(db.Applications.ThatStand().Where(a => a.At >= from && a.At < to), terms);
        return [.. jobs, .. await Mixes(from, to, new UsualMinutes(terms.Minutes))];
    }

    /// <summary>The same of jobs that are asked for.</summary>
    public async Task<IReadOnlyList<JobOut>> Of(IQueryable<Application> wanted, ReckoningTerms terms)
    {
        var usual = new UsualMinutes(terms.Minutes);
        var local = await clock.Local();
        var jobs = await wanted.AsNoTracking().AsSplitQuery().Include(a => a.Beds).ThenInclude(b => b.Bed)
            .Include(a => a.Items).Include(a => a.Batch).OrderBy(a => a.At).ThenBy(a => a.Id).ToListAsync();
        var bySpan = await Spans();
        var brews = await lots.OfBrews([.. jobs.Select(j => j.Batch).OfType<Batch>().DistinctBy(b => b.Id)], usual);
        var looks = await Looks([.. brews.Keys], usual);
        var costs = await lots.Of([.. jobs.SelectMany(j => j.Items).Select(i => i.LotId).OfType<int>()], usual);
        var prices = await db.Inputs.AsNoTracking().ToDictionaryAsync(i => i.Id, i => i.Price);
        List<JobOut> told = [];
        foreach (var job in jobs)
        {
            List<ThingOut> things = [.. Items(job, costs, prices)];
            if (job.Batch is { } batch)
            {
                things.Insert(0, Brew(job, batch, brews[batch.Id], looks.GetValueOrDefault(batch.Id)));
            }

            told.Add(new JobOut(job.Id, DateOnly.FromDateTime(local(job.At).DateTime), Ground(job, bySpan), things, Hands(job, usual),
                job.Solid ? 0 : job.WaterL) { BatchId = job.BatchId });
        }

        return told;
    }

    private async Task<Dictionary<int, IReadOnlyList<PlantingSpan>>> Spans() => (await db.Plantings.AsNoTracking()
        .Select(p => new PlantingSpan(p.Id, p.BedId, p.Crop, p.From, p.To)).ToListAsync())
        .GroupBy(s => s.BedId).ToDictionary(g => g.Key, g => (IReadOnlyList<PlantingSpan>)[.. g]);

    /// <summary>Mixes that were filled on a bed, of which none lies on the shelf: what is on the shelf counts when it is used.</summary>
    private async Task<IEnumerable<JobOut>> Mixes(DateTimeOffset from, DateTimeOffset to, UsualMinutes usual)
    {
        var (spans, local) = (await Spans(), await clock.Local());
        var steps = await db.MixLog.ThatStand().AsNoTracking().Include(e => e.Mix).Include(e => e.Bed)
            .Where(e => !db.Lots.Any(l => l.MixId == e.MixId)).ToListAsync();
        var filled = steps.Where(e => e.Step == MixStep.Filled && e.Bed is { AreaM2: > 0 } && e.At >= from && e.At < to).ToList();
        var ids = filled.Select(e => e.MixId).Distinct().ToList();
        var entries = steps.Where(e => ids.Contains(e.MixId)).Select(e => e.Id).ToList();
        var draws = await db.StockEntries.AsNoTracking().Where(e => e.MixEntryId != null && entries.Contains(e.MixEntryId.Value)
            && e.Amount < 0).Select(e => new { Entry = e.MixEntryId!.Value, e.LotId, e.Lot.Input.Name, e.Amount }).ToListAsync();
        var costs = await lots.Of([.. draws.Select(d => d.LotId)], usual);
        return filled.Select(e =>
        {
            var of = steps.Where(s => s.MixId == e.MixId).ToList();
            var part = 1.0 / of.Count(s => s.Step == MixStep.Filled);
            var drawn = draws.Where(d => of.Any(s => s.Id == d.Entry)).ToList();
            List<Spent> made = [.. of.Where(s => s.Step != MixStep.Filled).Select(s => new Spent(UsualMinutes.OfMix(s.Step),
                usual.Of(UsualMinutes.OfMix(s.Step)))), .. drawn.SelectMany(d => costs[d.LotId].Of(-d.Amount).Made)];
            var planting = spans.TryGetValue(e.BedId!.Value, out var there) ? Plantings.Of(there, e.At) : null;
            var crop = planting?.Crop ?? e.Bed!.Crop;
            return new JobOut(-e.Id, DateOnly.FromDateTime(local(e.At).DateTime), [new GroundOut(e.BedId.Value, e.Bed!.Name,
                crop == Records.Ground.Bed.Nothing ? "bare ground" : crop, planting?.Id, e.Bed.AreaM2, 1)],
                [new ThingOut($"mix-{e.MixId}", e.Mix.Name, drawn.Sum(d => -d.Amount * (costs[d.LotId].Money ?? 0)) * part,
                    [.. made.Select(m => m with { Minutes = m.Minutes * part })],
                    [.. drawn.Where(d => costs[d.LotId].Money is null).Select(d => d.Name).Distinct()])],
                [new("mix-fill", usual.Of("mix-fill"))], 0);
        });
    }

    private static List<GroundOut> Ground(Application job, Dictionary<int, IReadOnlyList<PlantingSpan>> spans)
    {
        var beds = job.Beds.Where(b => b.Bed.AreaM2 > 0).ToList();
        var (litres, area) = (beds.Sum(b => b.TotalL), beds.Sum(b => b.Bed.AreaM2));
        return [.. beds.Select(b =>
        {
            var planting = spans.TryGetValue(b.BedId, out var of) ? Plantings.Of(of, job.At) : null;
            var crop = planting?.Crop ?? b.Bed.Crop;
            return new GroundOut(b.BedId, b.Bed.Name, crop == Records.Ground.Bed.Nothing ? "bare ground" : crop, planting?.Id, b.Bed.AreaM2,
                litres > 0 ? b.TotalL / litres : b.Bed.AreaM2 / area);
        })];
    }

    private static List<Spent> Hands(Application job, UsualMinutes usual)
    {
        var mixed = job.Solid ? job.Beds.Sum(b => b.TotalL) : job.TeaL + job.WaterL;
        var tank = job.Solid && job.TankL <= 0 ? BarrowL : job.TankL;
        var loads = tank > 0 ? Math.Max(1, Math.Ceiling((mixed / tank) - 1e-9)) : 1;
        return [new("out-set", usual.Of("out-set")), new("out-way", usual.Of("out-way")), new("out-load", loads * usual.Of("out-load")),
            new("out-100m2", job.Beds.Sum(b => b.Bed.AreaM2) / 100 * usual.Of("out-100m2"))];
    }

    private static ThingOut Brew(Application job, Batch batch, BrewCost cost, Spent? looks)
    {
        var share = batch.BrewL > 0 ? Math.Min(1, job.TeaL / batch.BrewL) : 1;
        List<Spent> made = [.. cost.Made, .. looks is null ? Array.Empty<Spent>() : [looks]];
        return new ThingOut($"making-{batch.Making.Word()}", Practices.Said(batch.Making),
            cost.Lines.Sum(l => l.Amount * (l.Price ?? 0)) * share, [.. made.Select(m => m with { Minutes = m.Minutes * share })],
            [.. cost.Lines.Where(l => l.Price is null && l.Amount > 0).Select(l => l.Name).Distinct()]) {
            Making = batch.Making, Amount = job.TeaL,
        };
    }

    /// <summary>What came from the shelf, each input once.</summary>
    private static IEnumerable<ThingOut> Items(Application job, Dictionary<int, LotCost> costs, Dictionary<int, double?> prices) =>
        job.Items.Where(i => i.Kind != "brew" && (i.InputId is not null || i.Amount > 0))
            .GroupBy(i => i.InputId is { } id ? $"input-{id}" : $"named-{i.Name.Trim().ToLowerInvariant()}").Select(g =>
            {
                var each = g.Select(i => (i.Amount, Cost: i.LotId is { } lot && costs.TryGetValue(lot, out var of) ? of
                    : new LotCost(i.InputId is { } input ? prices.GetValueOrDefault(input) : null, []))).ToList();
                var first = g.First();
                return new ThingOut(g.Key, first.Name, each.Sum(e => e.Amount * (e.Cost.Money ?? 0)),
                    [.. each.SelectMany(e => e.Cost.Of(e.Amount).Made)], each.Any(e => e.Cost.Money is null && e.Amount > 0) ? [first.Name]
                    : []) { InputId = first.InputId, Amount = g.Sum(i => i.Amount), Unit = first.Unit };
            });

    /// <summary>Looks at brews while they stood: an hour's readings are one.</summary>
    private async Task<Dictionary<int, Spent>> Looks(List<int> batches, UsualMinutes usual)
    {
        var log = await db.Log.ThatStand().AsNoTracking().Where(l => batches.Contains(l.BatchId) && l.Source != "logger"
            && (l.Kind == LogKind.Oxygen || l.Kind == LogKind.Warmth || l.Kind == LogKind.Smell || l.Kind == LogKind.Foam))
            .Select(l => new { l.BatchId, l.At }).ToListAsync();
        return log.GroupBy(l => l.BatchId).ToDictionary(g => g.Key, g => new Spent("brew-look",
            g.Select(l => l.At.ToUnixTimeSeconds() / 3600).Distinct().Count() * usual.Of("brew-look")));
    }

    /// <summary>Brews that never went out, and looking, measuring and what lies made on the shelf.</summary>
    public async Task<IReadOnlyList<WorkBeside>> Beside(DateTimeOffset from, DateTimeOffset to, ReckoningTerms terms)
    {
        var usual = new UsualMinutes(terms.Minutes);
        List<WorkBeside> beside = [.. await Unused(from, to, usual)];
        async Task<Spent> Times(IQueryable<int> what, string step) => new(step, await what.CountAsync() * usual.Of(step));
        List<Spent> looking = [
            await Times(db.GroundChecks.ThatStand().Where(c => c.At >= from && c.At < to).Select(c => c.Id), "look-check"),
            await Times(db.BrixVisits.ThatStand().Where(c => c.At >= from && c.At < to).Select(c => c.Id), "look-brix"),
            await Times(db.PestCounts.Where(c => c.At >= from && c.At < to).Select(c => c.Id), "look-pests"),
            await Times(db.Tallies.Where(c => c.At >= from && c.At < to).Select(c => c.Id), "look-tally"),
            await Times(db.Works.Where(w => w.Kind == WorkKind.Sheet && w.BegunAt >= from && w.BegunAt < to).Select(w => w.Id),
                "look-sheet"),
        ];
        beside.Add(new("looking", "walks, readings and samples", looking, 0, "what the rest is judged by"));
        beside.Add(new("trials", "trials", await Trials(from, to, usual), 0, "what was found out"));
        beside.Add(new("yard", "made in the yard, and not used yet", await Yard(from, to, usual), 0, "it counts with what it goes into"));
        return [.. beside.Where(b => b.Work.Sum(w => w.Minutes) > 0 || b.Money > 0)];
    }

    /// <summary>Hours and money of brews whole; money is not known where a price is not. Those never begun are left out.</summary>
    public async Task<Dictionary<int, (double Hours, double? Money)>> Brewed(IReadOnlyList<int> ids, ReckoningTerms terms)
    {
        var usual = new UsualMinutes(terms.Minutes);
        var batches = ids.Count == 0 ? [] : await db.Batches.AsNoTracking().Where(b => ids.Contains(b.Id) && b.StartedAt != null)
            .ToListAsync();
        var (costs, looks) = (await lots.OfBrews(batches, usual), await Looks([.. batches.Select(b => b.Id)], usual));
        return costs.ToDictionary(c => c.Key, c => (
            (c.Value.Made.Sum(m => m.Minutes) + (looks.GetValueOrDefault(c.Key)?.Minutes ?? 0)) / 60,
            c.Value.Lines.Any(l => l.Price is null) ? (double?)null : c.Value.Lines.Sum(l => l.Amount * l.Price!.Value)));
    }

    private async Task<IEnumerable<WorkBeside>> Unused(DateTimeOffset from, DateTimeOffset to, UsualMinutes usual)
    {
        var batches = await db.Batches.AsNoTracking().Where(b => b.StartedAt >= from && b.StartedAt < to
            && !db.Applications.Any(a => a.BatchId == b.Id && !a.Strikes && !db.Applications.Any(c => c.CorrectsId == a.Id))).ToListAsync();
        if (batches.Count == 0)
        {
            return [];
        }

        var (costs, looks) = (await lots.OfBrews(batches, usual), await Looks([.. batches.Select(b => b.Id)], usual));
        return [new("unused", Core.Workings.Say.Count(batches.Count, "brew that was not put out", "brews that were not put out"),
            [.. costs.Values.SelectMany(c => c.Made), .. looks.Values],
            costs.Values.SelectMany(c => c.Lines).Sum(l => l.Amount * (l.Price ?? 0)), "heaped, or going yet")];
    }

    /// <summary>Laying out and measuring; what is put on plots is a job of the book, and counts with its practice.</summary>
    private async Task<IReadOnlyList<Spent>> Trials(DateTimeOffset from, DateTimeOffset to, UsualMinutes usual)
    {
        var begun = await db.Trials.AsNoTracking().Where(t => t.StartedAt >= from && t.StartedAt < to).Select(t => t.Plots.Count)
            .ToListAsync();
        var read = await db.TrialReadings.ThatStand().CountAsync(r => r.On >= from && r.On < to);
        return [new("trial-plan", begun.Count * usual.Of("trial-plan")), new("trial-lay", begun.Sum() * usual.Of("trial-lay")),
            new("trial-read", read * usual.Of("trial-read"))];
    }

    /// <summary>Steps of the span at heaps, bins, burns and mixes from which nothing came yet, and what lies of lots made in it.</summary>
    private async Task<IReadOnlyList<Spent>> Yard(DateTimeOffset from, DateTimeOffset to, UsualMinutes usual)
    {
        var made = await db.Lots.AsNoTracking().Where(l => l.Origin == LotOrigin.Made && l.From >= from && l.From < to).Select(l => new {
            l.Id, In = l.Entries.Where(e => e.Amount > 0 && e.Reason == StockReason.In).Sum(e => e.Amount), Left = l.Entries.Sum(
            e => e.Amount)
        }).ToListAsync();
        var costs = await lots.Of([.. made.Select(m => m.Id)], usual);
        var came = await db.Lots.AsNoTracking().Where(l => l.HeapId != null || l.WorkId != null || l.MixId != null)
            .Select(l => new { l.HeapId, l.WorkId, l.MixId }).ToListAsync();
        var (heaps, works, mixes) = (came.Select(c => c.HeapId).OfType<int>().ToHashSet(), came.Select(c => c.WorkId).OfType<int>()
            .ToHashSet(), came.Select(c => c.MixId).OfType<int>().ToHashSet());
        var log = (await db.HeapLog.ThatStand().Where(e => e.At >= from && e.At < to).Select(e => new { e.HeapId, e.Step }).ToListAsync())
            .Where(e => !heaps.Contains(e.HeapId)).Select(e => UsualMinutes.OfHeap(e.Step))
            .Concat((await db.WorkLog.ThatStand().Where(e => e.At >= from && e.At < to).Select(e => new { e.WorkId, e.Step })
                .ToListAsync()).Where(e => !works.Contains(e.WorkId)).Select(e => UsualMinutes.OfWork(e.Step)))
            .Concat((await db.MixLog.ThatStand().Where(e => e.At >= from && e.At < to).Select(e => new { e.MixId, e.Step }).ToListAsync())
                .Where(e => !mixes.Contains(e.MixId)).Select(e => UsualMinutes.OfMix(e.Step)));
        return [.. made.Where(m => m.Left > 0).SelectMany(m => costs[m.Id].Of(Math.Min(m.Left, m.In)).Made),
            .. log.GroupBy(id => id).Select(g => new Spent(g.Key, g.Count() * usual.Of(g.Key)))];
    }
}
