namespace MudPie.Core.Judging.Statistics;

/// <summary>A mean, or a difference of means, and how surely it is known.</summary>
/// <param name="Mean">The mean.</param>
/// <param name="Variance">Of the mean: its standard error squared; not a number where nothing tells it.</param>
/// <param name="Df">Degrees of freedom of that.</param>
internal readonly record struct Estimate(double Mean, double Variance, double Df)
{
    /// <summary>Of figures alike: s² ÷ n, n − 1.</summary>
    /// <param name="x">One figure or more; of one alone nothing tells the spread.</param>
    /// <param name="grain">Least standard deviation that such figures can have, as they were read to no less; 0 where there is
    /// none.</param>
    /// <remarks>8, 9, 10: 9 with a variance of 1/3 and 2 degrees of freedom.</remarks>
    public static Estimate Of(IReadOnlyList<double> x, double grain = 0)
    {
        var mean = x.Average();
        return x.Count < 2 ? new(mean, double.NaN, 0)
            : new(mean, Math.Max(x.Sum(v => (v - mean) * (v - mean)) / (x.Count - 1), grain * grain) / x.Count, x.Count - 1);
    }

    /// <summary>Standard error.</summary>
    public double Se => Math.Sqrt(Variance);

    /// <summary>This less another that need not stray alike (Welch 1947, with Satterthwaite's degrees of freedom; with those of both
    /// together where neither strays).</summary>
    /// <remarks>9 ± √⅓ less 10 ± √⅓, 2 degrees each: −1, variance 2/3, 4 degrees.</remarks>
    public Estimate Less(Estimate other) => new(Mean - other.Mean, Variance + other.Variance,
        Variance + other.Variance > 0 ? Satterthwaite(Variance, Df, other.Variance, other.Df) : Df + other.Df);

    /// <summary>Half the interval that holds the truth but for a chance of α, by Student's t.</summary>
    public double Half(double alpha = 0.05) => Distribution.CriticalT(alpha, Df) * Se;

    /// <summary>Degrees of freedom of two variances added (Satterthwaite 1946): (a + b)² ÷ (a² ÷ df_a + b² ÷ df_b).</summary>
    /// <param name="a">One variance, or as much of it as counts.</param>
    /// <param name="dfA">Its degrees of freedom, more than 0.</param>
    /// <param name="b">The other; not both 0.</param>
    /// <param name="dfB">Its degrees of freedom, more than 0.</param>
    /// <remarks>⅓ with 2 and ⅓ with 2 have 4; 1 with 2 and 0 with 9 have 2.</remarks>
    public static double Satterthwaite(double a, double dfA, double b, double dfB) =>
        (a + b) * (a + b) / ((a * a / dfA) + (b * b / dfB));
}
