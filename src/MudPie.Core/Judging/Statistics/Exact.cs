using MathNet.Numerics.Distributions;

namespace MudPie.Core.Judging.Statistics;

/// <summary>An estimate and where it may lie, 95 % unless it is said otherwise.</summary>
/// <param name="Value">The estimate.</param>
/// <param name="Lower">Low end.</param>
/// <param name="Upper">High end; infinite where nothing bounds it.</param>
public sealed record Between(double Value, double Lower, double Upper);

/// <summary>Intervals that hold for small counts: exact, or by the spread of what was read. Plain kernels.</summary>
public static class Exact
{
    /// <summary>A share of so many, after Clopper and Pearson (1934).</summary>
    /// <param name="some">0 to <paramref name="all"/>.</param>
    /// <param name="all">1 or more.</param>
    /// <param name="alpha">1 less the confidence.</param>
    /// <remarks>6 of 8: 0.75, between 0.349 and 0.968 (R: binom.test).</remarks>
    public static Between Share(int some, int all, double alpha = 0.05) => new((double)some / all,
        some == 0 ? 0 : Beta.InvCDF(some, all - some + 1, alpha / 2), some == all ? 1 : Beta.InvCDF(some + 1, all - some, 1 - (alpha / 2)));

    /// <summary>A count over so many units, after Garwood (1936).</summary>
    /// <param name="count">0 or more.</param>
    /// <param name="units">Above 0: blocks, m², plants.</param>
    /// <param name="alpha">1 less the confidence.</param>
    /// <remarks>34 worms in three blocks: 11.3 a block, between 7.85 and 15.8 (R: poisson.test).</remarks>
    public static Between Rate(double count, double units, double alpha = 0.05) => new(count / units,
        count == 0 ? 0 : ChiSquared.InvCDF(2 * count, alpha / 2) / 2 / units, ChiSquared.InvCDF((2 * count) + 2,
            1 - (alpha / 2)) / 2 / units);

    /// <summary>How many times as many: the ratio of two counts, conditional on their sum (exact), with its two-sided p.</summary>
    /// <param name="after">Count after.</param>
    /// <param name="unitsAfter">Over so many units.</param>
    /// <param name="before">Count before.</param>
    /// <param name="unitsBefore">Over so many units.</param>
    /// <param name="alpha">1 less the confidence.</param>
    /// <remarks>34 in three blocks after 13 in three: 2.62 times, between 1.35 and 5.39 (R: poisson.test).</remarks>
    public static Between RateRatio(int after, double unitsAfter, int before, double unitsBefore, double alpha = 0.05)
    {
        if (after + before == 0)
        {
            return new Between(double.NaN, 0, double.PositiveInfinity);
        }

        var share = Share(after, after + before, alpha);
        double Odds(double p) => p >= 1 ? double.PositiveInfinity : p / (1 - p) * unitsBefore / unitsAfter;
        return new Between(before == 0 ? double.PositiveInfinity : after / unitsAfter / (before / unitsBefore), Odds(share.Lower),
            Odds(share.Upper));
    }

    /// <summary>The same where repeats stray more than chance: variance so many times the mean (quasi-Poisson, on the log scale, t with
    /// the repeats' degrees of freedom).</summary>
    /// <param name="after">Counts of the repeats after, each over one unit.</param>
    /// <param name="before">Counts of the repeats before.</param>
    /// <param name="alpha">1 less the confidence.</param>
    /// <returns>The ratio, and times the variance is the mean (at least 1 is taken).</returns>
    /// <remarks>(4, 20, 10) after (1, 9, 3): 2.62 times, between 0.354 and 19.3; dispersion 4.88 (R: glm, family quasipoisson).</remarks>
    public static (Between Ratio, double Dispersion) Overdispersed(IReadOnlyList<int> after, IReadOnlyList<int> before, double alpha = 0.05)
    {
        var (a, b) = (after.Average(), before.Average());
        var df = after.Count + before.Count - 2;
        var pearson = (a > 0 ? after.Sum(x => (x - a) * (x - a) / a) : 0) + (b > 0 ? before.Sum(x => (x - b) * (x - b) / b) : 0);
        var phi = df > 0 ? pearson / df : 1;
        if (a <= 0 || b <= 0 || df <= 0)
        {
            return (RateRatio(after.Sum(), after.Count, before.Sum(), before.Count, alpha), Math.Max(1, phi));
        }

        var se = Math.Sqrt(Math.Max(1, phi) * ((1.0 / after.Sum()) + (1.0 / before.Sum())));
        var t = Distribution.CriticalT(alpha, df);
        return (new Between(a / b, a / b * Math.Exp(-t * se), a / b * Math.Exp(t * se)), phi);
    }

    /// <summary>The middle of readings with its interval, free of any shape: two of the readings themselves.</summary>
    /// <param name="readings">One or more.</param>
    /// <param name="alpha">1 less the confidence, at least.</param>
    /// <returns>Middle and interval; the whole range where fewer than six can't give one.</returns>
    /// <remarks>Ten pushes: between the second and the ninth, 97.9 % (R: qbinom).</remarks>
    public static (Between Middle, bool Bounded) Median(IReadOnlyList<double> readings, double alpha = 0.05)
    {
        var sorted = readings.Order().ToArray();
        var n = sorted.Length;
        var middle = n % 2 == 1 ? sorted[n / 2] : (sorted[(n / 2) - 1] + sorted[n / 2]) / 2;
        var k = 0; // so many are left out at each end
        while (k + 1 <= (n - 1) / 2 && 2 * Binomial.CDF(0.5, n, k) <= alpha)
        {
            k++;
        }

        return (new Between(middle, sorted[Math.Max(0, k - 1)], sorted[n - 1 - Math.Max(0, k - 1)]), k > 0);
    }

    /// <summary>Difference of two means whose spreads may differ, after Welch (1947).</summary>
    /// <param name="after">Two or more.</param>
    /// <param name="before">Two or more.</param>
    /// <param name="alpha">1 less the confidence.</param>
    /// <returns>After less before; null with fewer than two of either, or without any spread.</returns>
    /// <remarks>(2.0, 2.2, 2.1) after (2.8, 3.0, 2.9): −0.8, between −1.03 and −0.57 (R: t.test).</remarks>
    public static Between? Difference(IReadOnlyList<double> after, IReadOnlyList<double> before, double alpha = 0.05)
    {
        if (after.Count < 2 || before.Count < 2)
        {
            return null;
        }

        var (a, b) = (Var(after) / after.Count, Var(before) / before.Count);
        if (a + b <= 0)
        {
            return null;
        }

        var df = (a + b) * (a + b) / ((a * a / (after.Count - 1)) + (b * b / (before.Count - 1)));
        var (d, w) = (after.Average() - before.Average(), Distribution.CriticalT(alpha, df) * Math.Sqrt(a + b));
        return new Between(d, d - w, d + w);
    }

    private static double Var(IReadOnlyList<double> v)
    {
        var mean = v.Average();
        return v.Sum(x => (x - mean) * (x - mean)) / (v.Count - 1);
    }
}
