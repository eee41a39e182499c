using MathNet.Numerics.Distributions;

namespace MudPie.Core.Judging.Statistics;

/// <summary>Dunnett's distribution: the largest of several |t| that share one control and one estimate of the noise.</summary>
/// <remarks>
/// Where the correlations are products λᵢλⱼ (one-way, and complete blocks), P = ∫ f(s) ∫ φ(z) ∏ [Φ((λz + cs)/√(1−λ²)) − Φ((λz − cs)/√(1−λ²))] dz ds (Dunnett 1955).
/// Otherwise by Genz's (1992) separation of variables on a fixed lattice, good to about 1e-4. Three against one with equal replicates, 12 degrees of freedom: |t| of 3.9547 has p 0.00509.
/// </remarks>
public sealed class ManyToOne
{
    private static readonly (double Z, double Weight)[] Normal = [.. Quadrature.Nodes(-8, 8, 2).Select(n => (n.X, n.Weight * Distribution.Density(n.X)))];

    private readonly double[,] _correlation;
    private readonly double _df;
    private readonly double[]? _loadings;

    /// <summary>For these comparisons.</summary>
    /// <param name="correlation">k × k correlations of the differences, ones on the diagonal.</param>
    /// <param name="df">Degrees of freedom of the noise, 1 or more.</param>
    public ManyToOne(double[,] correlation, double df)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(df, 1);
        (_correlation, _df, _loadings) = (correlation, df, Loadings(correlation));
    }

    /// <summary>P(all |T| ≤ c).</summary>
    public double Cdf(double c) => c <= 0 ? 0 : Math.Clamp(Quadrature.OverScale(_df, s => _loadings is { } l ? Product(c * s, l) : Lattice(c * s)), 0, 1);

    /// <summary>Chance that the largest |T| is at least this, adjusted for all comparisons.</summary>
    public double P(double t) => 1 - Cdf(Math.Abs(t));

    /// <summary>The |t| that gives intervals holding all truths at once with chance 1 − alpha.</summary>
    public double Critical(double alpha) => _correlation.GetLength(0) == 1 ? Distribution.CriticalT(alpha, _df) : Quadrature.Rising(Cdf, 1 - alpha, Distribution.CriticalT(alpha, _df) * 0.99, Distribution.CriticalT(alpha / _correlation.GetLength(0), _df));

    private static double Product(double c, double[] loadings)
    {
        var sum = 0.0;
        foreach (var (z, weight) in Normal)
        {
            var all = weight;
            foreach (var l in loadings)
            {
                var root = Math.Sqrt(1 - (l * l));
                all *= Distribution.Phi(((l * z) + c) / root) - Distribution.Phi(((l * z) - c) / root);
            }

            sum += all;
        }

        return sum;
    }

    /// <summary>λ with λᵢλⱼ = ρᵢⱼ for every pair, or null where there is none.</summary>
    private static double[]? Loadings(double[,] r)
    {
        var k = r.GetLength(0);
        if (k == 1)
        {
            return [0];
        }

        if (k == 2)
        {
            return r[0, 1] >= 0 ? [Math.Sqrt(r[0, 1]), Math.Sqrt(r[0, 1])] : null;
        }

        var loadings = new double[k];
        for (var i = 0; i < k; i++)
        {
            var (a, b) = ((i + 1) % k, (i + 2) % k);
            loadings[i] = Math.Sqrt(r[i, a] * r[i, b] / r[a, b]);
        }

        var fits = loadings.All(l => l < 1) && Enumerable.Range(0, k).All(i => Enumerable.Range(0, i).All(j => Math.Abs((loadings[i] * loadings[j]) - r[i, j]) < 1e-8));
        return fits ? loadings : null;
    }

    private double Lattice(double c)
    {
        const int points = 4001;
        var k = _correlation.GetLength(0);
        var root = MathNet.Numerics.LinearAlgebra.Matrix<double>.Build.DenseOfArray(_correlation).Cholesky().Factor;
        var (sum, y) = (0.0, new double[k]);
        for (var p = 0; p < points; p++)
        {
            var (f, inside) = (1.0, 0.0);
            for (var i = 0; i < k; i++)
            {
                var shift = Enumerable.Range(0, i).Sum(j => root[i, j] * y[j]);
                var (low, high) = (Distribution.Phi((-c - shift) / root[i, i]), Distribution.Phi((c - shift) / root[i, i]));
                f *= high - low;
                inside = Math.Abs((2 * (((p + 0.5) * Alpha(i)) % 1)) - 1); // Richtmyer's lattice, folded so that it is periodic
                y[i] = MathNet.Numerics.Distributions.Normal.InvCDF(0, 1, Math.Clamp(low + (inside * (high - low)), 1e-15, 1 - 1e-15));
            }

            sum += f;
        }

        return sum / points;
    }

    private static double Alpha(int i) => Math.Sqrt(Primes[i % Primes.Length]);

    private static readonly int[] Primes = [2, 3, 5, 7, 11, 13, 17, 19, 23, 29, 31, 37, 41, 43, 47, 53, 59, 61, 67, 71];
}
