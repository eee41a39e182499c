using MudPie.Core.Judging.Statistics;
using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Reckoning;

/// <summary>Question of worth-finding-out.</summary>
public sealed record WorthQuestion
{
    /// <summary>What a thing is thought to bring after its cost, money a hectare and year, −1e9 to 1e9.</summary>
    public double? MeanPerHa { get; init; }

    /// <summary>How surely that is known: its standard deviation, money a hectare and year, above 0.</summary>
    public double? SePerHa { get; init; }

    /// <summary>Standard error of the trial that is thought of, spread of seasons and sites in it, money a hectare and year, 0 or
    /// more.</summary>
    public double? NewSePerHa { get; init; }

    /// <summary>Ground it would be used on, ha, above 0.</summary>
    public double? Hectares { get; init; }

    /// <summary>Years it would be used for, above 0.</summary>
    public double? Years { get; init; }

    /// <summary>What the trial costs, money, 0 or more.</summary>
    public double? CostOfTrial { get; init; }
}

/// <summary>What knowing is worth.</summary>
/// <param name="ChanceItPays">That the thing brings more than it costs, 0 to 1.</param>
/// <param name="WorthOfKnowing">What the truth itself would be worth, money over the ground and years.</param>
/// <param name="WorthOfTrial">What a trial would be worth that errs as much as was said; never more than that.</param>
/// <param name="Net">Less what the trial costs.</param>
public sealed record WorthAnswer(double ChanceItPays, double WorthOfKnowing, double WorthOfTrial, double Net);

/// <summary>What a doubt is worth: how often knowing would change what is done, times what that change is worth.</summary>
public static class FindingOut
{
    /// <summary>Works it out (Raiffa and Schlaifer 1961, preposterior analysis).</summary>
    /// <param name="q">Mean and standard deviation after cost, the trial's own error, ground, years and what the trial costs.</param>
    /// <remarks>1490 a hectare give or take 1580, on 0.02 ha for 5 years: 149 and 158. It pays 83 times in 100, so the truth is worth 14.7;
    /// a trial with an error of 110 and a cost of 60 is worth 8.1 and so 51.9 less than nothing. Refused by name: what is no number, a
    /// deviation, ground or years not above 0.</remarks>
    public static Ruling<WorthAnswer> Of(WorthQuestion q)
    {
        var checks = new Checks();
        var mean = checks.Range("meanPerHa", q.MeanPerHa, -1e9, 1e9, "a hectare");
        var se = checks.Range("sePerHa", q.SePerHa, 1e-9, 1e9, "a hectare", "What is known for certain is not worth finding out.");
        var trial = checks.Range("newSePerHa", q.NewSePerHa, 0, 1e9, "a hectare");
        var hectares = checks.Range("hectares", q.Hectares, 1e-9, 1e6, "ha", "Give the ground that it would be used on, above 0.");
        var years = checks.Range("years", q.Years, 1e-9, 1000, "years", "Give the years that it would be used for, above 0.");
        var cost = checks.Range("costOfTrial", q.CostOfTrial, 0, 1e9, "");
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var scale = hectares * years;
        var (m, s, e) = (mean * scale, se * scale, trial * scale);
        var learns = Learns(s, e);
        var answer = new WorthAnswer(Distribution.Phi(m / s), Of(m, s), Of(m, learns), Of(m, learns) - cost);
        return Worked.Of(answer, "", Evidence.ChemistryOrPhysics,
        [
            new("benefit over ground and years", "a hectare × ha × years", $"{Say.Number(mean)} ± {Say.Number(se)} on "
                + $"{Say.Number(hectares)} ha for {Say.Number(years)} years", $"m {Say.Number(m)}, s {Say.Number(s)}",
                "the evidence, after cost"),
            new("chance that it pays", "Φ(m ÷ s)", $"{Say.Number(m / s)}", Say.Number(answer.ChanceItPays), "the normal distribution"),
            new("the truth is worth", "s·φ(|m| ÷ s) − |m|·Φ(−|m| ÷ s)", $"s {Say.Number(s)}", Say.Number(answer.WorthOfKnowing),
                "Raiffa and Schlaifer 1961"),
            new("the trial is worth", "the same with s₁ = s² ÷ √(s² + s′²)", $"s′ {Say.Number(e)}, s₁ {Say.Number(learns)}",
                Say.Number(answer.WorthOfTrial), "Raiffa and Schlaifer 1961"),
            new("less what it costs", "worth − cost", $"{Say.Number(answer.WorthOfTrial)} − {Say.Number(cost)}",
                Say.Number(answer.Net), ""),
        ]);
    }

    /// <summary>s·φ(|m| ÷ s) − |m|·Φ(−|m| ÷ s): what it is worth to know which side of nought a benefit lies on, where what is going to be
    /// known lies about <paramref name="m"/> with a deviation of <paramref name="s"/>.</summary>
    /// <returns>Never below 0; 0 where nothing would be learnt.</returns>
    /// <remarks>149 and 158: 14.65.</remarks>
    public static double Of(double m, double s) => s <= 0 ? 0
        : Math.Max(0, (s * Distribution.Density(m / s)) - (Math.Abs(m) * Distribution.Phi(-Math.Abs(m) / s)));

    /// <summary>How far a trial moves what is thought: s² ÷ √(s² + s′²).</summary>
    /// <remarks>158 and 110: 129.7.</remarks>
    public static double Learns(double s, double trial) => s * s / Math.Sqrt((s * s) + (trial * trial));
}
