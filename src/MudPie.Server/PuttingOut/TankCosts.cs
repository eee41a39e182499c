using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Records.Shelf;
using MudPie.Server.Lots;
using MudPie.Server.Web;

namespace MudPie.Server.PuttingOut;

/// <summary>Reads what a job is made of and what that cost, for the core to add up.</summary>
public sealed class TankCosts(HoldingDb db, HoldingClock clock, LotCosts lots)
{
    /// <summary>What the job costs.</summary>
    public async Task<Worked<CostAnswer>> Of(TankJobAnswer job, Batch? batch,
        List<(Input Input, double Amount, DrawAnswer Draw, bool Counted)> items)
    {
        var usual = new UsualMinutes((await db.Reckonings.Newest()).Minutes);
        var costs = await lots.Of([.. items.SelectMany(i => i.Draw.Draws.Select(d => d.LotId))], usual);
        var drawn = items.SelectMany(i => i.Counted && i.Draw.Short == 0
            ? i.Draw.Draws.Select(d => (i.Input.Name, d.Amount, Cost: costs[d.LotId]))
            : [(i.Input.Name, i.Amount, new LotCost(i.Input.Price, []))]).ToList();
        var lines = drawn.Select(d => new CostLine(d.Name, d.Amount, d.Cost.Money)).ToList();
        // The hands that made what goes out count with those that put it out, by the share of it that goes out here.
        var making = drawn.Sum(d => d.Cost.Of(d.Amount).Made.Sum(m => m.Minutes));
        if (batch is not null)
        {
            var (brew, share) = ((await lots.OfBrews([batch], usual))[batch.Id], Math.Min(1, job.BrewL / batch.BrewL));
            lines.AddRange(brew.Lines.Select(l => l with { Amount = l.Amount * share }));
            making += brew.Made.Sum(m => m.Minutes) * share;
        }

        var wage = (await clock.Find())?.HourlyWage ?? 0;
        var area = job.Beds.Sum(b => b.AreaM2);
        return Costs.Of(lines, area, usual.Job(making, job.LoadCount, new SquareMetres(area)), wage).Worked;
    }
}
