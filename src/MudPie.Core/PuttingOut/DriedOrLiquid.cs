using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>Dried against liquid.</summary>
/// <param name="LiquidPerHa">Money a hectare and season.</param>
/// <param name="DriedPerHa">Money a hectare and season.</param>
/// <param name="Verdict">In a sentence.</param>
public sealed record DriedOrLiquidAnswer(double LiquidPerHa, double DriedPerHa, Verdict Verdict);

/// <summary>Seaweed dried or liquid, by the money on a hectare.</summary>
public static class DriedOrLiquid
{
    /// <summary>Liquid: L/ha × times × price; dried: kg/ha × price.</summary>
    /// <param name="liquidLPerHa">Each time, 0.1 to 100 L.</param>
    /// <param name="times">In a season, 1 to 52.</param>
    /// <param name="liquidPrice">A litre, 0.01 to 10,000.</param>
    /// <param name="driedKgPerHa">Once, 1 to 10,000 kg.</param>
    /// <param name="driedPrice">A kilogram, 0.01 to 10,000.</param>
    /// <param name="wet">The ground is moist through the season.</param>
    /// <param name="units">Units that its sentence speaks in.</param>
    /// <remarks>2 L at 7.20, four times: 57.60; 150 kg dried at 1.80: 270.</remarks>
    public static Ruling<DriedOrLiquidAnswer> Of(double? liquidLPerHa, double? times, double? liquidPrice, double? driedKgPerHa,
        double? driedPrice, bool wet, UnitSystem units = UnitSystem.Metric)
    {
        var checks = new Checks();
        var l = checks.Range("liquidLPerHa", liquidLPerHa, 0.1, 100, "L");
        var n = checks.Range("times", times, 1, 52, "");
        var lp = checks.Range("liquidPrice", liquidPrice, 0.01, 10_000, "");
        var d = checks.Range("driedKgPerHa", driedKgPerHa, 1, 10_000, "kg");
        var dp = checks.Range("driedPrice", driedPrice, 0.01, 10_000, "");
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var (liquid, dried) = (l * n * lp, d * dp);
        string Money(double perHa) => Say.Money(Per.Large(perHa, units), null);
        var speed = wet ? "Dried takes two or three weeks in moist ground to give anything"
            : "Dried takes up to a year in dry ground to give anything";
        return Worked.Of(
            new DriedOrLiquidAnswer(liquid, dried,
                new(Tone.Go, liquid <= dried ? $"Liquid is cheaper: {Money(liquid)} against {Money(dried)} {Per.LargeArea(units)}."
                    : $"Dried is cheaper: {Money(dried)} against {Money(liquid)} {Per.LargeArea(units)}.",
                    $"{speed}, smells, and comes in seasons: buy ahead. Liquid works at once, keeps, and needs a sprayer.")),
            "a hectare", Evidence.PractitionersRule,
            [
                new("liquid", "L/ha × times × price", $"{Say.Number(l)} × {Say.Number(n)} × {Say.Number(lp)}", Say.Number(liquid),
                    "your prices"),
                new("dried", "kg/ha × price", $"{Say.Number(d)} × {Say.Number(dp)}", Say.Number(dried), "your prices"),
            ]);
    }
}
