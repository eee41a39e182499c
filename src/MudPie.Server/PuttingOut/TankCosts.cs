using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Records.Shelf;
using MudPie.Server.Web;

namespace MudPie.Server.PuttingOut;

/// <summary>Reads what a job is made of and what that cost, for the core to add up.</summary>
public sealed class TankCosts(HoldingDb db, HoldingClock clock)
{
    /// <summary>What the job costs.</summary>
    public async Task<Worked<CostAnswer>> Of(TankJobAnswer job, Batch? batch,
        List<(Input Input, double Amount, DrawAnswer Draw, bool Counted)> items)
    {
        var lots = items.SelectMany(i => i.Draw.Draws.Select(d => d.LotId)).ToList();
        var prices = await LotPrices(lots);
        var lines = items.SelectMany(i => i.Counted && i.Draw.Short == 0
            ? i.Draw.Draws.Select(d => new CostLine(i.Input.Name, d.Amount, prices.GetValueOrDefault(d.LotId) ?? i.Input.Price))
            : [new CostLine(i.Input.Name, i.Amount, i.Input.Price)]).ToList();
        if (batch is not null)
        {
            lines.AddRange((await BrewCost(batch)).Select(l => l with { Amount = l.Amount * Math.Min(1, job.BrewL / batch.BrewL) }));
        }

        // The hands that made the brew count with those that put it out, by the share of it that goes out here.
        var making = batch is null ? 0 : batch.Steps.Where(s => s.Id is not ("use" or "wash" or "shop" or "sprayer"))
            .Sum(s => s.Minutes) * Math.Min(1, job.BrewL / batch.BrewL);
        var wage = (await clock.Find())?.HourlyWage ?? 0;
        var area = job.Beds.Sum(b => b.AreaM2);
        return Costs.Of(lines, area, Costs.WorkMinutes(making, job.LoadCount, new SquareMetres(area)), wage).Worked;
    }

    /// <summary>What a unit of each lot cost; null where not known.</summary>
    private async Task<Dictionary<int, double?>> LotPrices(List<int> lots) =>
        (await db.Lots.AsNoTracking().Where(l => lots.Contains(l.Id))
            .Select(l => new { l.Id, l.Paid, In = l.Entries.Where(e => e.Amount > 0 && e.Reason == StockReason.In).Sum(e => e.Amount) })
            .ToListAsync())
            .ToDictionary(l => l.Id, l => l.Paid is { } paid && l.In > 0 ? paid / l.In : (double?)null);

    /// <summary>What went into a brew: what left the shelf at its price, and the rest by the litre where a price of it is known.</summary>
    private async Task<List<CostLine>> BrewCost(Batch batch)
    {
        var batchId = batch.Id;
        var brew = batch.Brew;
        var kinds = (brew.Foods ?? []).Where(f => f.Ml > 0)
            .Select(f => (f.Kind!, Ingredients.Food(f.Kind)!.Name, f.Ml!.Value / 1000)).ToList();
        kinds.InsertRange(0, (brew.Sources ?? []).Where(s => s.Litres > 0)
            .Select(s => (s.Kind!, Ingredients.Source(s.Kind)!.Name, s.Litres!.Value)));

        var rows = await db.StockEntries.AsNoTracking().Where(e => e.BatchId == batchId && e.Amount < 0)
            .Select(e => new { e.LotId, e.Lot.Input.Name, e.Lot.Input.Kind, e.Lot.Input.Price, e.Amount }).ToListAsync();
        var prices = await LotPrices([.. rows.Select(r => r.LotId)]);
        var known = await db.Inputs.AsNoTracking().Where(i => i.Price != null).Select(i => new { i.Kind, i.Price }).ToListAsync();
        return [
            .. rows.Select(r => new CostLine(r.Name, -r.Amount, prices.GetValueOrDefault(r.LotId) ?? r.Price)),
            .. kinds.Where(k => rows.All(r => r.Kind != k.Item1))
                .Select(k => new CostLine(k.Name, k.Item3, InputKinds.Of(k.Item1).Unit == "L"
                    ? known.FirstOrDefault(i => i.Kind == k.Item1)?.Price : null))];
    }
}
