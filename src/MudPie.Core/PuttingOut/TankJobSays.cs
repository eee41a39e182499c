using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>The sum, the warnings and the fork of a job, in words.</summary>
internal static class TankJobSays
{
    public static IEnumerable<WorkingLine> Lines(TankJobQuestion q, TankJobAnswer a, double onGround, double tank, double spare,
        double dose)
    {
        if (q.BrewL is not null)
        {
            yield return new("full dose", q.BrewPer100M2 is null ? "brew ÷ (1 + spare) ÷ Σ(area × step)" : "as you set it",
                q.BrewPer100M2 is null
                    ? $"{Say.Number(q.BrewL.Value)} L ÷ {Say.Number(1 + spare)} "
                        + $"÷ {Say.Number(a.Beds.Sum(b => b.AreaM2 * b.StepShare) / 100)} × 100 m²" : "",
                        $"{Say.Number(dose)} L of brew on 100 m²", "biology per area is what counts, whatever the dilution");
        }

        foreach (var b in a.Beds)
        {
            yield return new(b.Name, q.BrewL is null ? "area × rate" : "area × dose × step × one in", q.BrewL is null
                ? $"{Say.Number(b.AreaM2)} m² × {Say.Number(b.MixL / b.AreaM2 * 10_000)} L/ha"
                : $"{Say.Number(b.AreaM2)} m² × {Say.Number(b.BrewPer100M2)} L per 100 m² × {Say.Number(a.OneIn ?? 1)}",
                $"{Say.Number(b.MixL)} L", b.StepSays ?? "sum");
        }

        yield return new("with the spare", "Σ × (1 + spare)", $"{Say.Number(onGround)} L × {Say.Number(1 + spare)}",
            $"{Say.Number(a.MixL)} L", "priming, hoses, dead volume");
        yield return new("fillings", "÷ tank, rounded up", $"{Say.Number(a.MixL)} L ÷ {Say.Number(tank)} L", $"{a.LoadCount}",
            "the last is a part tank with its own amounts");
        foreach (var (p, amount) in q.Products.Zip(a.Products))
        {
            yield return new(p.Name, p.Basis switch {
                RateBasis.PerHa => "rate × ha × (1 + spare)",
                RateBasis.Per100M2 => "rate × area ÷ 100 × (1 + spare)",
                RateBasis.OneIn => "mix ÷ one in",
                _ => "rate × litres of mix"
            },
                $"{Say.Number(p.Rate ?? 0)}{(p.Basis == RateBasis.OneIn ? "" : " " + p.Unit)}",
                $"{Say.Number(amount.Amount)} {amount.Unit}",
                "label or your own rate");
        }
    }

    public static IEnumerable<Caution> Warnings(TankJobQuestion q, TankJobAnswer a)
    {
        yield return Cautions.Spraying;
        if (q.BrewL is not null)
        {
            yield return Cautions.Food;
        }

        yield return Cautions.RunOff;
        yield return Cautions.Health;
        if (a.WaterL > 0)
        {
            yield return new Caution("dilution-water",
                "The water for diluting is cleared of chlorine like any other: read its strip at zero.", Cautions.Usual);
        }

        if (a.Beds.Any(b => b.Millimetres > TankJob.FloodMm))
        {
            yield return new Caution("too-wet",
                $"That is {Per.Depth(a.Beds.Max(b => b.Millimetres), q.Units)} of water on the ground, as much as an irrigation: thin it "
                    + "less or cover more ground.", Cautions.Usual);
        }

        if (q.Purpose == Purpose.Leaf && a.OneIn > 6.001)
        {
            yield return new Caution("thin-film", "On leaves the film wants 1:5 or stronger; this is thinner.", Cautions.Usual);
        }

        if (a.MixL > 20 && q.TankL <= 30)
        {
            yield return Cautions.Lifting;
        }
    }

    public static Fork DilutionFork(double brew, double oneIn, UnitSystem units)
    {
        string Gives(double times) => $"{Units.Show(brew * times, Dimension.Volume, units)} in all";
        var chosen = oneIn <= 1.001 ? "neat" : oneIn <= 2.001 ? "even" : oneIn <= 6.001 ? "five" : oneIn <= 21.001 ? "twenty" : "fifty";
        return new Fork(
            "dilution",
            "How far is it thinned?",
            [
                new("neat", "neat", Gives(1)), new("even", "1:1, for a sick plant's roots", Gives(2)),
                new("five", "1:5, on leaves", Gives(6)),
                new("twenty", "up to 1:20", Gives(21)),
                new("fifty", "1:50, by "
                    + $"{Per.LargeArea(units).Replace("a ", "the ", StringComparison.Ordinal)
                        .Replace("an ", "the ", StringComparison.Ordinal)}", Gives(51)),
            ],
            "five",
            chosen,
            $"The dilution decides how it spreads, and the brew {Per.SmallArea(units)} decides what arrives. By purpose, then.",
            Evidence.PractitionersRule,
            "How much water has to be cleared and carried.");
    }
}
