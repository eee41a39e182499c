using Microsoft.EntityFrameworkCore;
using MudPie.Core.Judging.Reckoning;
using MudPie.Core.Shelf;
using MudPie.Records;
using MudPie.Records.Brewing;

namespace MudPie.Server.Lots;

/// <summary>What a litre or kilogram of a lot cost: one rule for the tank, the mix and the reckoning.</summary>
/// <param name="Money">Of it; null where not known.</param>
/// <param name="Made">Hands that made it, where it was made here.</param>
public sealed record LotCost(double? Money, IReadOnlyList<Spent> Made)
{
    /// <summary>Of an amount.</summary>
    public LotCost Of(double amount) => new(Money * amount, [.. Made.Select(m => m with { Minutes = m.Minutes * amount })]);
}

/// <summary>What went into a brew.</summary>
/// <param name="Lines">By the litre or kilogram, with its price where that is known.</param>
/// <param name="Made">Hands that made what went in, and the brew itself.</param>
public sealed record BrewCost(IReadOnlyList<CostLine> Lines, IReadOnlyList<Spent> Made);

/// <summary>Looks up what lots and brews cost.</summary>
public sealed class LotCosts(HoldingDb db)
{
    private const double PowderKgPerL = 0.55; // a flour or a soluble powder, where nobody weighed it

    /// <summary>What a unit of each lot cost.</summary>
    /// <remarks>What was paid, over what came. A lot made here for which nothing was paid cost its hands: logged with it, or the usual
    /// minutes of the steps at its heap, bin or mix. Else the price of its input; else it is not known.</remarks>
    public async Task<Dictionary<int, LotCost>> Of(IReadOnlyCollection<int> lotIds, UsualMinutes usual)
    {
        var ids = lotIds.Distinct().ToList();
        var lots = await db.Lots.AsNoTracking().Where(l => ids.Contains(l.Id)).Select(l => new {
            l.Id, l.Paid, l.Minutes, l.Origin, l.HeapId, l.WorkId, l.MixId, l.Input.Price,
            In = l.Entries.Where(e => e.Amount > 0 && e.Reason == StockReason.In).Sum(e => e.Amount),
        }).ToListAsync();
        var steps = await Steps(lots.Any(l => l.Minutes is null && (l.HeapId ?? l.WorkId ?? l.MixId) is not null), usual);
        var costs = new Dictionary<int, LotCost>();
        foreach (var l in lots)
        {
            List<Spent> made = l.Origin != LotOrigin.Made || l.In <= 0 ? []
                : l.Minutes is { } logged ? [new("lot", logged / l.In, true)] : [.. Work(l.HeapId, l.WorkId, l.MixId, steps)];
            costs[l.Id] = new LotCost(l.Paid is { } paid && l.In > 0 ? paid / l.In : made.Count > 0 ? 0 : l.Price, made);
        }

        return costs;
    }

    /// <summary>What went into brews, whole.</summary>
    public async Task<Dictionary<int, BrewCost>> OfBrews(IReadOnlyList<Batch> batches, UsualMinutes usual)
    {
        var ids = batches.Select(b => b.Id).ToList();
        var rows = (await db.StockEntries.AsNoTracking().Where(e => e.BatchId != null && ids.Contains(e.BatchId.Value) && e.Amount < 0)
            .Select(e => new { Batch = e.BatchId!.Value, e.LotId, e.Lot.Input.Name, e.Lot.Input.Kind, e.Amount }).ToListAsync())
            .ToLookup(e => e.Batch);
        var costs = await Of([.. rows.SelectMany(g => g).Select(r => r.LotId)], usual);
        var known = (await db.Inputs.AsNoTracking().Where(i => i.Price != null).Select(i => new { i.Kind, i.Unit, i.Price, i.Density })
            .ToListAsync()).GroupBy(i => i.Kind).ToDictionary(g => g.Key, g => g.First());
        return batches.ToDictionary(b => b.Id, b =>
        {
            var drawn = rows[b.Id].Select(r => (r.Kind, r.Name, Amount: -r.Amount, Cost: costs[r.LotId])).ToList();
            List<CostLine> lines = [.. drawn.Select(d => new CostLine(d.Name, d.Amount, d.Cost.Money)),
                .. Kinds(b.Brew).Where(k => drawn.All(d => d.Kind != k.Kind)).Select(k =>
                {
                    // a powder is priced by its weight, and a brew asks for litres of it
                    var price = known.GetValueOrDefault(k.Kind);
                    return price is null ? new CostLine(k.Name, k.Litres, null)
                        : (price.Unit ?? InputKinds.Of(k.Kind).Unit) == "L" ? new CostLine(k.Name, k.Litres, price.Price)
                        : new CostLine(k.Name, k.Litres * (price.Density ?? PowderKgPerL), price.Price);
                })];
            return new BrewCost(lines, [.. Making(b, usual), .. drawn.SelectMany(d => d.Cost.Of(d.Amount).Made)]);
        });
    }

    /// <summary>Hands at a brew itself, by its plan's steps until it ended; waiting is none.</summary>
    private static IEnumerable<Spent> Making(Batch batch, UsualMinutes usual) => batch.Steps
        .Where(s => batch.AirOffAt is not { } off || s.At <= off.AddHours(1)).Select(s => UsualMinutes.OfPlan(s.Id)).OfType<string>()
        .Select(id => new Spent(id, usual.Of(id)));

    private static IEnumerable<(string Kind, string Name, double Litres)> Kinds(Core.Brewing.BrewQuestion brew) =>
        (brew.Sources ?? []).Where(s => s.Litres > 0).Select(s => (s.Kind!, Core.Brewing.Ingredients.Source(s.Kind)!.Name, s.Litres!.Value))
            .Concat((brew.Foods ?? []).Where(f => f.Ml > 0)
                .Select(f => (f.Kind!, Core.Brewing.Ingredients.Food(f.Kind)!.Name, f.Ml!.Value / 1000)));

    private static IReadOnlyList<Spent> Work(int? heap, int? work, int? mix, Dictionary<(string, int), IReadOnlyList<Spent>> steps) =>
        steps.GetValueOrDefault(heap is { } h ? ("heap", h) : work is { } w ? ("work", w) : mix is { } m ? ("mix", m) : ("", 0)) ?? [];

    /// <summary>Usual minutes of all steps at each heap, work and mix, over all that came of it.</summary>
    private async Task<Dictionary<(string, int), IReadOnlyList<Spent>>> Steps(bool wanted, UsualMinutes usual)
    {
        var steps = new Dictionary<(string, int), IReadOnlyList<Spent>>();
        if (!wanted)
        {
            return steps;
        }

        var came = (await db.Lots.AsNoTracking().Where(l => l.HeapId != null || l.WorkId != null || l.MixId != null).Select(l => new {
            l.HeapId, l.WorkId, l.MixId,
            In = l.Entries.Where(e => e.Amount > 0 && e.Reason == StockReason.In).Sum(e => e.Amount)
        }).ToListAsync()).GroupBy(l => l.HeapId is { } h ? ("heap", h) : l.WorkId is { } w ? ("work", w) : ("mix", l.MixId!.Value))
            .ToDictionary(g => g.Key, g => g.Sum(l => l.In));
        var log = (await db.HeapLog.ThatStand().Select(e => new { Of = e.HeapId, e.Step }).ToListAsync())
            .Select(e => (("heap", e.Of), UsualMinutes.OfHeap(e.Step)))
            .Concat((await db.WorkLog.ThatStand().Select(e => new { Of = e.WorkId, e.Step }).ToListAsync())
                .Select(e => (("work", e.Of), UsualMinutes.OfWork(e.Step))))
            .Concat((await db.MixLog.ThatStand().Select(e => new { Of = e.MixId, e.Step }).ToListAsync())
                .Select(e => (("mix", e.Of), UsualMinutes.OfMix(e.Step))));
        foreach (var g in log.GroupBy(e => e.Item1).Where(g => came.GetValueOrDefault(g.Key) > 0))
        {
            steps[g.Key] = [.. g.GroupBy(e => e.Item2).Select(s => new Spent(s.Key, s.Count() * usual.Of(s.Key) / came[g.Key]))];
        }

        return steps;
    }
}
