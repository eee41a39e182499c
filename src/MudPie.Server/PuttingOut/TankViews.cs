using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;
using MudPie.Records.Ground;
using MudPie.Server.Shelf;

namespace MudPie.Server.PuttingOut;

/// <summary>A job in words and in the measuring tools that growers own.</summary>
internal static class TankViews
{
    public static TankView Of(
        TankJobAnswer job, IReadOnlyList<Bed> beds, UnitSystem units, GateAnswer? gate, MixAnswer? mixing, SprayerRuling? sprayer, Verdict place,
        IReadOnlyList<(Input Input, double Amount, DrawAnswer Draw, bool Counted)> items, Worked<CostAnswer> cost, HourScore? hour, IReadOnlyList<string> waits, string purpose, Worked<RaceAnswer>? race, Verdict? watch, OxygenNow? now, IReadOnlyList<string> labelSays)
    {
        string L(double litres) => Units.Show(litres, Dimension.Volume, units);
        AmountView Amount(ProductAmount p) => p.Unit == "mL"
            ? new(p.Name, L(p.Amount / 1000), Spoons.InTools(new Litres(p.Amount / 1000), units).WithError)
            : new(p.Name, Units.Show(p.Amount, Dimension.Mass, units), null);
        string Lot(double amount, Input input) => StockKeeper.Shown(amount, StockKeeper.UnitOf(input), units);
        return new TankView(
            job, L(job.MixL), L(job.BrewL), L(job.WaterL), L(job.SpareL),
            [.. job.Beds.Select((b, i) => new ShareView(
                beds[i].Id, b.Name, Units.Show(b.AreaM2, Dimension.Area, units), L(b.MixL), L(b.BrewL), L(b.WaterL), $"{L(b.BrewPer100M2)} of brew on 100 m²", $"{Say.Number(b.Millimetres, 2)} mm", b.StepSays, [.. b.Products.Select(Amount)]))],
            [.. job.Loads.Select((l, i) => new LoadView(
                i + 1, L(l.MixL), L(l.BrewL), L(l.WaterL), Spoons.InTools(new Litres(Math.Max(0, l.WaterL)), units).WithError, [.. l.Products.Select(Amount)], [.. l.Beds.Select(b => $"{b.Name}: {L(b.MixL)}")]))],
            gate, mixing, sprayer, place,
            [.. items.Select(i => new DrawView(
                i.Input.Id, i.Input.Name, [.. i.Draw.Draws.Select(d => new AmountView(d.Mark, Lot(d.Amount, i.Input), null))],
                i.Counted && i.Draw.Short > 0 ? $"{Lot(i.Draw.Short, i.Input)} short" : null, i.Counted))],
            new CostView(cost.Value.Say(cost.Value.Batch), cost.Value.Say(cost.Value.Per100M2), cost.Value.Say(cost.Value.PerHa), cost.Value.Unpriced, cost.Working),
            hour, waits,
            purpose == "leaf" ? "Both sides of the leaf, to the point of drip; early or late, in low sun." : Drench.Says(job.Beds.Count == 0 ? 0 : job.Beds.Max(b => b.Millimetres)), race, watch, now, labelSays);
    }
}
