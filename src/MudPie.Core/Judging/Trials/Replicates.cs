using MudPie.Core.Judging.Statistics;
using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Trials;

/// <summary>Question of replicates.</summary>
public sealed record ReplicatesQuestion
{
    /// <summary>"two-sample t", "paired t" or "one-way anova".</summary>
    public string? Kind { get; init; }

    /// <summary>The smallest difference worth having, above 0. For several groups: two of them lie this far apart and the others
    /// midway.</summary>
    public double? Difference { get; init; }

    /// <summary>Standard deviation of plots treated alike; for pairs, of the differences. Above 0.</summary>
    public double? Sd { get; init; }

    /// <summary>Chance of a false alarm, 0.0001 to 0.5; 0.05 when not given.</summary>
    public double? Alpha { get; init; }

    /// <summary>Chance of seeing it if it is there, 0.06 to 0.9999; 0.8 when not given.</summary>
    public double? Power { get; init; }

    /// <summary>Treatments, 2 to 50, for "one-way anova".</summary>
    public double? Groups { get; init; }

    /// <summary>Instead of a difference, for "one-way anova": variance between the true means.</summary>
    public double? BetweenVar { get; init; }

    /// <summary>Instead of a deviation, for "one-way anova": variance within.</summary>
    public double? WithinVar { get; init; }
}

/// <summary>How many plots.</summary>
/// <param name="PerGroup">As the equation gives it, with its fraction.</param>
/// <param name="Plots">Whole plots (or pairs) of each treatment.</param>
/// <param name="Curve">Chance of seeing it, by whole plots of each.</param>
/// <param name="Sentence">In a sentence.</param>
public sealed record ReplicatesAnswer(double PerGroup, int Plots, IReadOnlyList<PowerAt> Curve, string Sentence);

/// <summary>A point of the curve.</summary>
public sealed record PowerAt(int Plots, double Power);

/// <summary>How many replicates a question needs: from its noise and the smallest difference worth having.</summary>
public static class Replicates
{
    /// <summary>Known kinds.</summary>
    public static readonly IReadOnlyList<string> Kinds = ["two-sample t", "paired t", "one-way anova"];

    /// <summary>Works it out. Worked: a difference of 0.5 with deviation 0.4 at 80 % takes 11.09, so 12 plots of each.</summary>
    public static Ruling<ReplicatesAnswer> Of(ReplicatesQuestion q)
    {
        var checks = new Checks();
        if (q.Kind is null || !Kinds.Contains(q.Kind))
        {
            checks.Add("kind", q.Kind is null ? "Nothing was given." : $"“{q.Kind}” is not known here.", $"Choose {Say.Any(Kinds)}.");
        }

        var anova = q.Kind == "one-way anova";
        var byVariance = anova && (q.BetweenVar is not null || q.WithinVar is not null);
        var alpha = checks.Range("alpha", q.Alpha ?? 0.05, 0.0001, 0.5, "");
        var power = checks.Range("power", q.Power ?? 0.8, 0.06, 0.9999, "");
        var groups = (int)checks.Range("groups", anova ? q.Groups : 2, 2, 50, "treatments");
        var (between, within) = byVariance
            ? (checks.Range("betweenVar", q.BetweenVar, 1e-9, 1e9, ""), checks.Range("withinVar", q.WithinVar, 1e-9, 1e9, ""))
            : (checks.Range("difference", q.Difference, 1e-6, 1e6, "", "It is the smallest difference worth having, above 0."),
                checks.Range("sd", q.Sd, 1e-6, 1e6, "", "It is how far plots treated alike stray."));
        if (checks.Sound && power <= alpha)
        {
            checks.Add("power", "That is no more than the chance of a false alarm.", "Give 0.8 for eight times in ten.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        Func<double, double> at = anova
            ? n => PowerOfAnova(n, groups, byVariance ? between : between * between / 2 / (groups - 1), byVariance
                ? within : within * within, alpha)
            : n => PowerOfT(n, between, within, alpha, q.Kind == "paired t");
        if (at(1e6) < power)
        {
            return Refusal.Of("difference", "More than a million plots would be needed.",
                "Ask for a larger difference, or a kinder noise.");
        }

        var need = Least(at, power, anova ? 1e5 : 1e7);
        var plots = Math.Max(2, (int)Math.Ceiling(need - 1e-9));
        var noun = q.Kind == "paired t" ? "pairs" : "plots of each treatment";
        var to = Math.Clamp(plots * 2, 8, 60);
        return Worked.Of(
            new ReplicatesAnswer(need, plots, [.. Enumerable.Range(2, to - 1).Select(n => new PowerAt(n, at(n)))],
                $"{plots} {noun}: then a true difference of that size is seen {Say.Number(power * 10)} times in ten."),
            noun,
            Evidence.ChemistryOrPhysics,
            [new("replicates", anova ? "1 − F(F₁₋α; k−1, k(n−1), λ = (k−1) n σ²between ÷ σ²within) = power"
                : "1 − T(t₁₋α⁄₂; ν, δ √(n ÷ 2) ÷ σ) = power, √n for pairs",
                byVariance ? $"variance {Say.Number(between)} between, {Say.Number(within)} within, {groups} treatments"
                    : $"difference {Say.Number(between)}, deviation {Say.Number(within)}, α {Say.Number(alpha)}",
                    $"{Say.Number(need, 5)}, so {plots}", "non-central t and F; Cohen 1988")]);
    }

    /// <summary>Plots of each for a t, with their fraction; at most 1e6.</summary>
    public static double PerGroup(double difference, double sd, double alpha, double power, bool paired) =>
        PowerOfT(1e6, difference, sd, alpha, paired) < power ? 1e6 : Least(n => PowerOfT(n, difference, sd, alpha, paired), power, 1e7);

    /// <summary>The n at which a rising power reaches what is asked; from 2, or below it where 2 are enough.</summary>
    private static double Least(Func<double, double> at, double power, double most) =>
        at(2) < power ? Quadrature.Root(n => at(n) - power, 2, most) : Quadrature.Rising(at, power, 1 + 1e-6, 2);

    /// <summary>Chance that a t on n of each sees the difference, on its own side.</summary>
    public static double PowerOfT(double n, double difference, double sd, double alpha, bool paired) =>
        PowerAtDf(n, difference, sd, alpha, paired ? n - 1 : 2 * (n - 1), paired);

    /// <summary>The same where the design leaves other degrees of freedom.</summary>
    public static double PowerAtDf(double n, double difference, double sd, double alpha, double df, bool paired)
    {
        var critical = df < 0.2 ? double.PositiveInfinity : Distribution.CriticalT(alpha, df);
        return double.IsFinite(critical) && critical < 1e6 ? 1 - NonCentral.T(critical, df, Math.Sqrt(paired ? n : n / 2) * difference / sd)
            : alpha / 2;
    }

    private static double PowerOfAnova(double n, int groups, double between, double within, double alpha)
    {
        var (df1, df2) = (groups - 1.0, groups * (n - 1));
        var lambda = df1 * n * between / within;
        if (lambda > 5000)
        {
            return 1;
        }

        var critical = df2 < 0.01 ? double.PositiveInfinity : MathNet.Numerics.Distributions.FisherSnedecor.InvCDF(df1, df2, 1 - alpha);
        return double.IsFinite(critical) ? 1 - NonCentral.F(critical, df1, df2, lambda) : alpha;
    }
}
