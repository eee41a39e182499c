using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;
using MudPie.Records.Ground;
using MudPie.Records.Shelf;
using MudPie.Server.Brewing;
using MudPie.Server.Lots;

namespace MudPie.Server.PuttingOut;

/// <summary>A job in words and in the measuring tools that growers own.</summary>
internal static class TankViews
{
    public static TankView Of(
        TankJobAnswer job, IReadOnlyList<Bed> beds, UnitSystem units, GateAnswer? gate, MixAnswer? mixing, SprayerRuling? sprayer,
        Verdict place,
        IReadOnlyList<(Input Input, double Amount, DrawAnswer Draw, bool Counted)> items, Worked<CostAnswer> cost, HourScore? hour,
        IReadOnlyList<string> waits, Purpose purpose, RaceAnswer? race, Verdict? watch, OxygenNow? now, IReadOnlyList<string> labelSays)
    {
        string L(double litres) => Units.Show(litres, Dimension.Volume, units);
        TankAmountView Amount(ProductAmount p) => p.Unit == "mL"
            ? new(p.Name, L(p.Amount / 1000), Spoons.InTools(new Litres(p.Amount / 1000), units).WithError)
            : new(p.Name, Units.Show(p.Amount, Dimension.Mass, units), null);
        string Lot(double amount, Input input) => StockKeeper.Shown(amount, StockKeeper.UnitOf(input), units);
        return new TankView {
            Job = job,
            Verdict = Gravest(job, watch, race, mixing, hour),
            GateSays = GateSays(gate, watch),
            MixShown = L(job.MixL),
            BrewShown = L(job.BrewL),
            WaterShown = L(job.WaterL),
            SpareShown = L(job.SpareL),
            Shares = [.. job.Beds.Select((b, i) => new ShareView(
                beds[i].Id, b.Name, Units.Show(b.AreaM2, Dimension.Area, units), L(b.MixL), L(b.BrewL), L(b.WaterL),
                $"{Units.Show(Per.Small(b.BrewPer100M2, units), Dimension.Volume, units)} of brew {Per.SmallArea(units)}",
                b.LitresAPlant is { } each ? $"{L(each)} a plant" : Per.Depth(b.Millimetres, units), b.StepSays,
                [.. b.Products.Select(Amount)]))],
            Loads = [.. job.Loads.Select((l, i) => new LoadView(
                i + 1, L(l.MixL), L(l.BrewL), L(l.WaterL), Spoons.InTools(new Litres(Math.Max(0, l.WaterL)), units).WithError,
                [.. l.Products.Select(Amount)], [.. l.Beds.Select(b => $"{b.Name}: {L(b.MixL)}")]))],
            Gate = gate,
            Mixing = mixing,
            Sprayer = sprayer,
            Place = place,
            Draws = [.. items.Select(i => new DrawView(
                i.Input.Id, i.Input.Name, [.. i.Draw.Draws.Select(d => new TankAmountView(d.Mark, Lot(d.Amount, i.Input), null))],
                i.Counted && i.Draw.Short > 0 ? $"{Lot(i.Draw.Short, i.Input)} short" : null, i.Counted))],
            Cost = new CostView(CostSays(cost.Value, units), cost.Value.Say(cost.Value.Batch), cost.Value.Say(cost.Value.Per100M2),
                cost.Value.Say(cost.Value.PerHa), cost.Value.Unpriced, cost.Working),
            Hour = hour,
            Waits = waits,
            HowToCover = purpose == Purpose.Leaf ? "Both sides of the leaf, to the point of drip; early or late, in low sun."
                : HowToDrench(job, units),
            Race = race is null ? null : RaceViews.Of(race, units),
            Watch = watch,
            Now = now,
            LabelSays = labelSays,
        };
    }

    /// <summary>The first of the gravest.</summary>
    private static Verdict Gravest(TankJobAnswer job, Verdict? watch, RaceAnswer? race, MixAnswer? mixing, HourScore? hour)
    {
        Verdict?[] all = [job.Verdict, watch, race?.Verdict, mixing?.Verdict, hour is { Spoils.Count: > 0 } h
            ? new(Tone.Stop, $"Not at that hour: {h.Spoils[0]}.", "A better hour is under Windows.") : null];
        return all.OfType<Verdict>().MaxBy(v => v.Tone)!;
    }

    private static string HowToDrench(TankJobAnswer job, UnitSystem units) => job.Beds switch {
        [] => "",
        var beds when beds.All(b => b.LitresAPlant is not null) =>
            "At the stem of each plant, slowly, in two goes: moist ground takes it better.",
        var beds => Drench.Says(beds.Where(b => b.LitresAPlant is null).Max(b => b.Millimetres), units),
    };

    /// <summary>What the brew's own page says of it; the bare gate where there is no forecast.</summary>
    private static Verdict? GateSays(GateAnswer? gate, Verdict? watch) => gate switch {
        null => null,
        _ when watch is not null => watch,
        _ => new(gate.Fitness switch { Fitness.Fit => Tone.Go, Fitness.NotFit => Tone.Stop, _ => Tone.Mind }, gate.Sentence,
            string.Join(" ", gate.Reasons)),
    };

    private static string CostSays(CostAnswer c, UnitSystem units) =>
        (c.Known ? $"It costs {c.Say(c.Batch)}: {c.Say(Per.Small(c.Per100M2, units))} {Per.SmallArea(units)}, "
            + $"{c.Say(Per.Large(c.PerHa, units))} {Per.LargeArea(units)}" : "What it costs is not known")
        + (c.Unpriced.Count > 0 ? $"; no price known for {Say.List([.. c.Unpriced])}." : ".");
}
