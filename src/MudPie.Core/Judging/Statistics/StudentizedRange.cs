using System.Collections.Concurrent;

namespace MudPie.Core.Judging.Statistics;

/// <summary>Distribution of the studentized range: the largest less the smallest of k means, over an independent estimate of their standard
/// error.</summary>
/// <remarks>
/// P(q) = ∫ f(s) · k ∫ φ(z) [Φ(z) − Φ(z − q s)]^(k−1) dz ds (Pearson and Hartley 1942; Copenhaver and Holland 1988).
/// Upper tail at q = 3.5, 3 means, 10 degrees of freedom: 0.077103.
/// </remarks>
public static class StudentizedRange
{
    private static readonly (double Z, double Weight, double Phi)[] Normal =
        [.. Quadrature.Nodes(-8, 8, 3).Select(n => (n.X, n.Weight * Distribution.Density(n.X), Distribution.Phi(n.X)))];

    // The range of so many means under a known deviation: one integral a node, once, instead of one at every estimate of the deviation.
    private static readonly ConcurrentDictionary<int, Chebyshev> Ranges = [];

    /// <summary>P(Q ≤ q).</summary>
    /// <param name="q">0 or more; below it nothing.</param>
    /// <param name="means">2 to 100 means.</param>
    /// <param name="df">Degrees of freedom of the estimate, 1 or more; infinity where the deviation is known.</param>
    /// <exception cref="ArgumentOutOfRangeException">Fewer than two means, or below one degree of freedom.</exception>
    public static double Cdf(double q, int means, double df)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(means, 2);
        ArgumentOutOfRangeException.ThrowIfLessThan(df, 1);
        var range = Ranges.GetOrAdd(means, k => new Chebyshev(w => OfRange(w, k), 16, 100));
        return q <= 0 ? 0 : Math.Clamp(Quadrature.OverScale(df, s => range.At(q * s)), 0, 1);
    }

    /// <summary>The q that is exceeded with a given chance.</summary>
    /// <param name="upper">Between 0 and 1: 0.05 for a 95 % interval.</param>
    /// <param name="means">2 to 100 means.</param>
    /// <param name="df">1 or more.</param>
    /// <remarks>5 %, 3 means, 10 degrees of freedom: 3.877676.</remarks>
    public static double Quantile(double upper, int means, double df) => Quadrature.Rising(
        // between no allowance and Bonferroni's
        q => Cdf(q, means, df), 1 - upper, Math.Sqrt(2) * Distribution.CriticalT(upper, df) * 0.999,
        Math.Sqrt(2) * Distribution.CriticalT(upper / (means * (means - 1) / 2.0), df));

    private static double OfRange(double w, int means)
    {
        var sum = 0.0;
        foreach (var (z, weight, phi) in Normal)
        {
            sum += weight * Power(phi - Distribution.Phi(z - w), means - 1);
        }

        return means * sum;
    }

    private static double Power(double x, int n)
    {
        var power = 1.0;
        for (; n > 0; n >>= 1)
        {
            power *= (n & 1) == 1 ? x : 1;
            x *= x;
        }

        return power;
    }
}
