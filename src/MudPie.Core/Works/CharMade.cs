using MudPie.Core.Mixing;
using MudPie.Core.Workings;

namespace MudPie.Core.Works;

/// <summary>What came of a burn.</summary>
/// <param name="Litres">Of char.</param>
/// <param name="YieldShare">Of the wood: by volume where it was stacked, by dry weight where it was weighed.</param>
/// <param name="ByWeight">Which of the two.</param>
/// <param name="DryKg">Dry weight, kg.</param>
/// <param name="DryLow">Low end, where no jar was dried.</param>
/// <param name="DryHigh">High end.</param>
/// <param name="Co2Kg">Carbon still there after a hundred years, as kg of CO₂.</param>
/// <param name="Co2Low">Low end.</param>
/// <param name="Co2High">High end.</param>
public sealed record CharYield(double Litres, double YieldShare, bool ByWeight, double DryKg, double DryLow, double DryHigh, double Co2Kg,
    double Co2Low, double Co2High);

/// <summary>Yield of a burn, and the carbon that its char keeps.</summary>
public static class CharMade
{
    /// <summary>Dry weight of a litre, kg: ends and middle; quenched char is wet, so a jar is dried.</summary>
    public const double LeastDense = 0.15, MostDense = 0.25, UsualDense = 0.20;

    /// <summary>Carbon, share of dry weight: ends and middle for wood.</summary>
    public const double LeastCarbon = 0.70, MostCarbon = 0.85, UsualCarbon = 0.78;

    /// <summary>Works it out.</summary>
    /// <param name="litres">Char that was measured, L.</param>
    /// <param name="dryKgPerL">Dry weight of a litre by a dried jar, kg; null where none was.</param>
    /// <param name="plan">The burn.</param>
    /// <remarks>400 L at 0.2 kg a litre: 80 kg dry; × 0.78 × 0.80 × 44 ÷ 12 = 183 kg of CO₂ still there after a hundred years; 82 to 295
    /// where neither the jar, the carbon nor the warmth was measured. An estimate, and not a credit. Source: IPCC 2019.</remarks>
    public static Worked<CharYield> Of(double litres, double? dryKgPerL, BurnPlan plan)
    {
        var (low, high, dry) = (litres * (dryKgPerL ?? LeastDense), litres * (dryKgPerL ?? MostDense), litres * (dryKgPerL ?? UsualDense));
        double Kept(double kg, double carbon, double stays) => kg * carbon * stays * 44 / 12;
        var classes = CharCarbon.Permanence.Keys.ToList();
        var at = classes.IndexOf(plan.MadeAt);
        double Stays(int i) => CharCarbon.Permanence[classes[Math.Clamp(i, 0, classes.Count - 1)]];
        var answer = new CharYield(litres, plan.WoodL is { } wood ? litres / wood : dry / plan.WoodKg!.Value, plan.WoodL is null, dry,
            low, high,
            Kept(dry, UsualCarbon, Stays(at)), Kept(low, LeastCarbon, Stays(at - 1)), Kept(high, MostCarbon, Stays(at + 1)));
        return Worked.Of(answer, "kg CO₂", Evidence.PublishedTrials,
            [
                new("yield", plan.WoodL is null ? "dry char ÷ wood as weighed" : "char ÷ wood as stacked", plan.WoodL is { } s
                    ? $"{Say.Number(litres)} L ÷ {Say.Number(s)} L" : $"{Say.Number(dry)} kg ÷ {Say.Number(plan.WoodKg!.Value)} kg",
                    $"{Say.Number(answer.YieldShare * 100, 2)} %", "as it was measured"),
                new("dry weight", "litres × kg a litre, dry", $"{Say.Number(litres)} L × {Say.Number(dryKgPerL ?? UsualDense)} kg/L",
                    $"{Say.Number(dry)} kg", dryKgPerL is null ? "0.15 to 0.25 kg a litre: weigh a dried jar to know"
                        : "your own dried jar"),
                new("carbon that stays", "dry weight × carbon × permanence × 44 ÷ 12",
                    $"{Say.Number(dry)} kg × {Say.Number(UsualCarbon)} × {Say.Number(Stays(at))} × 44 ÷ 12",
                    $"{Say.Number(answer.Co2Kg)} kg of CO₂ after 100 years, {Say.Number(answer.Co2Low)} to {Say.Number(answer.Co2High)}",
                    $"IPCC 2019; {plan.MadeAt} °C is a guess for an open pit. An estimate, not a credit"),
            ], [BurnCautions.Dust]);
    }
}
