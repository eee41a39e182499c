namespace MudPie.Core.Judging.Statistics;

/// <summary>Dunnett's distribution: the largest of several |t| that share one control and one estimate of the noise.</summary>
/// <remarks>
/// Where the correlations are products λᵢλⱼ (one-way, and complete blocks), P = ∫ f(s) ∫ φ(z) ∏ [Φ((λz + cs)/√(1−λ²)) − Φ((λz −
/// cs)/√(1−λ²))] dz ds (Dunnett 1955).
/// In a split plot with no plot missing by <see cref="TwoLevels"/>. Otherwise, for a known noise, by Genz's (1992) separation of variables
/// on a fixed lattice, good to about 1e-4. What holds for a known noise is kept as a Chebyshev series in the bound; the estimate of the
/// noise is then one integral more. Three against one with equal replicates, 12 degrees of freedom: |t| of 3.9547 has p 0.00509.
/// </remarks>
public sealed class ManyToOne
{
    private static readonly (double Z, double Weight)[] Normal =
        [.. Quadrature.Nodes(-8, 8, 2).Select(n => (n.X, n.Weight * Distribution.Density(n.X)))];

    private readonly double[,] _correlation;
    private readonly double _df;
    private readonly double[]? _loadings;
    private readonly CancellationToken _stop;
    private readonly Lazy<Chebyshev> _series;

    /// <summary>For these comparisons.</summary>
    /// <param name="correlation">k × k correlations of the differences, ones on the diagonal.</param>
    /// <param name="df">Degrees of freedom of the noise, 1 or more.</param>
    /// <param name="stop">Ends a long sweep when whoever asked has gone.</param>
    public ManyToOne(double[,] correlation, double df, CancellationToken stop = default)
    {
        _stop = stop;
        ArgumentOutOfRangeException.ThrowIfLessThan(df, 1);
        (_correlation, _df, _loadings) = (correlation, df, Loadings(correlation));
        _series = new Lazy<Chebyshev>(() => _loadings is { } l ? new Chebyshev(c => Product(c, l), 9, 60)
            : TwoLevels.Of(correlation) is { } split ? new Chebyshev(split.Cdf, 9, 60) : new Chebyshev(Lattice, 7, 28));
    }

    private ManyToOne(ManyToOne alike, double df)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(df, 1);
        (_correlation, _df, _loadings, _series, _stop) = (alike._correlation, df, alike._loadings, alike._series, alike._stop);
    }

    /// <summary>The same comparisons under another freedom of the noise: what does not hang on it is not worked out again.</summary>
    /// <param name="df">1 or more.</param>
    public ManyToOne With(double df) => new(this, df);

    /// <summary>P(all |T| ≤ c).</summary>
    public double Cdf(double c) => c <= 0 ? 0 : Math.Clamp(Quadrature.OverScale(_df, s => _series.Value.At(c * s)), 0, 1);

    /// <summary>Chance that the largest |T| is at least this, adjusted for all comparisons.</summary>
    public double P(double t) => 1 - Cdf(Math.Abs(t));

    /// <summary>The |t| that gives intervals holding all truths at once with chance 1 − alpha.</summary>
    public double Critical(double alpha) => _correlation.GetLength(0) == 1 ? Distribution.CriticalT(alpha, _df) : Quadrature.Rising(Cdf,
        1 - alpha, Distribution.CriticalT(alpha, _df) * 0.99, Distribution.CriticalT(alpha / _correlation.GetLength(0), _df));

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

        var fits = loadings.All(l => l < 1) && Enumerable.Range(0, k)
            .All(i => Enumerable.Range(0, i).All(j => Math.Abs((loadings[i] * loadings[j]) - r[i, j]) < 1e-8));
        return fits ? loadings : null;
    }

    /// <summary>P(all |Z| ≤ bound) for normal Z of these correlations.</summary>
    private double Lattice(double bound)
    {
        const int points = 3001;
        var k = _correlation.GetLength(0);
        var root = _root ??= Root(_correlation);
        var lattice = _lattice ??= Points(points, k - 1);
        var (sum, y) = (0.0, new double[k]);
        for (var p = 0; p < points; p++)
        {
            _stop.ThrowIfCancellationRequested();
            var f = 1.0;
            for (var i = 0; i < k && f > 0; i++)
            {
                var shift = 0.0;
                for (var j = 0; j < i; j++)
                {
                    shift += root[i][j] * y[j];
                }

                var (low, high) = (Distribution.Phi((-bound - shift) / root[i][i]), Distribution.Phi((bound - shift) / root[i][i]));
                f *= high - low;
                if (i < k - 1)
                {
                    y[i] = Distribution.InvPhi(low + (lattice[(p * (k - 1)) + i] * (high - low)));
                }
            }

            sum += f;
        }

        return sum / points;
    }

    private double[][]? _root;
    private double[]? _lattice;

    /// <summary>Richtmyer's lattice, folded so that it is periodic: points × dimensions.</summary>
    private static double[] Points(int points, int dimensions)
    {
        var lattice = new double[points * dimensions];
        for (var i = 0; i < lattice.Length; i++)
        {
            lattice[i] = Math.Abs((2 * (((i / dimensions + 0.5) * Steps[i % dimensions % Steps.Length]) % 1)) - 1);
        }

        return lattice;
    }

    private static double[][] Root(double[,] correlation)
    {
        var k = correlation.GetLength(0);
        var matrix = MathNet.Numerics.LinearAlgebra.Matrix<double>.Build.DenseOfArray(correlation);
        for (var i = 0; i < k; i++)
        {
            matrix[i, i] += 1e-10; // differences that hang on each other make it singular
        }

        var factor = matrix.Cholesky().Factor;
        return [.. Enumerable.Range(0, k).Select(i => factor.Row(i).ToArray())];
    }

    // As many as there can be treatments.
    private static readonly int[] Primes =
        [.. Enumerable.Range(2, 1400).Where(n => Enumerable.Range(2, (int)Math.Sqrt(n) - 1).All(d => n % d != 0)).Take(210)];

    private static readonly double[] Steps = [.. Primes.Select(p => Math.Sqrt(p))];
}
