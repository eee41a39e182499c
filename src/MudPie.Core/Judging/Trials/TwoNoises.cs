using MudPie.Core.Judging.Statistics;

namespace MudPie.Core.Judging.Trials;

/// <summary>
/// What a difference between two cells of a split plot carries: within one whole plot only the noise of its parts; across whole plots both.
/// </summary>
/// <remarks>
/// With what each row counts for, v, and what each whole plot counts for in all, V = Σv within it: the variance is σ²·Σv² + τ²·ΣV², of
/// which
/// σ² = MSb and τ² = (MSa − MSb) ÷ n for n parts of a whole plot; freedom by Satterthwaite (1946). With r blocks this is the textbook's
/// 2·MSb ÷ r within
/// a whole plot and 2·(MSa + (n − 1)·MSb) ÷ (r·n) across.
/// </remarks>
/// <param name="full">Blocks, both factors and what they do together.</param>
/// <param name="inner">Whole plots in the place of blocks and of the factor that lies on them.</param>
/// <param name="whole">The factor on whole plots.</param>
/// <param name="within">The factor within them.</param>
/// <param name="plots">The whole plots.</param>
/// <param name="between">MSa and its degrees of freedom; NaN where one whole plot of each tells nothing.</param>
/// <param name="parts">MSb and its degrees of freedom.</param>
internal sealed class TwoNoises(TermModel full, TermModel inner, Factor whole, Factor within, Factor plots, (double Ms, double Df) between,
    (double Ms, double Df) parts) : INoise
{
    private readonly double _n = within.Levels.Count;

    // What two columns of the full model share over all rows is nought or one; what they share by whole plots, and with columns of the
    // inner model, is worked out once.
    private readonly double[,] _byPlot = Shared(PerPlot(full.Q, plots), PerPlot(full.Q, plots));
    private readonly double[,] _across = Shared(inner.Q, full.Q);
    private readonly Dictionary<(Cell, Cell), (double[] W, bool Inside)> _counts = [];

    public (double Difference, double Se, double Df) Between(Cell a, Cell b)
    {
        var counts = Counts(a, b);
        var difference = a.Mean - b.Mean;
        if (a.Levels[0] == b.Levels[0])
        {
            difference = inner.Of(Inner(a, b)) is { } within ? within.Estimate : difference;
        }

        var all = LinearModel.Dot(counts.W, counts.W);
        var shared = Math.Clamp(ByPlot(counts, counts) / _n, 0, all); // no more than all, as no whole plot has more than n parts
        var (outside, inside) = (shared < 1e-9 * all ? 0 : shared * between.Ms, (all - shared) * parts.Ms);
        var variance = outside + inside;
        var df = shared < 1e-9 * all ? parts.Df
            : !double.IsFinite(variance) || between.Df < 1 || parts.Df < 1 ? 0
            : variance > 0 ? Estimate.Satterthwaite(outside, between.Df, inside, parts.Df)
            : Math.Min(between.Df, parts.Df);
        // Rounded to a millionth: pairs laid alike have one law.
        return (Math.Abs(difference) < 1e-12 * (Math.Abs(a.Mean) + Math.Abs(b.Mean)) ? 0 : difference, Math.Sqrt(variance),
            Math.Round(df, 6));
    }

    public double Correlation(Cell a, Cell b, Cell control)
    {
        var (x, y) = (Counts(a, control), Counts(b, control));
        var tau = double.IsFinite(between.Ms) ? Math.Max(between.Ms - parts.Ms, 0) / _n : 0;
        double Both((double[] W, bool Inside) p, (double[] W, bool Inside) r) => (parts.Ms * ByRow(p, r)) + (tau * ByPlot(p, r));
        var size = Math.Sqrt(Both(x, x) * Both(y, y));
        return size > 0 ? Both(x, y) / size : 0.5; // without any noise none of it is asked for
    }

    /// <summary>The standard deviation between two plots that a difference of these is judged by.</summary>
    public double Stray(Cell a, Cell b) => Between(a, b).Se * Math.Sqrt(Math.Min(a.Plots, b.Plots) / 2.0);

    /// <summary>What each column of the model that tells it counts for in a difference, and whether that is the model of one whole plot's
    /// parts.</summary>
    private (double[] W, bool Inside) Counts(Cell a, Cell b)
    {
        if (_counts.TryGetValue((a, b), out var known))
        {
            return known;
        }

        var inside = a.Levels[0] == b.Levels[0] ? inner.Weights(Inner(a, b)) : null;
        return _counts[(a, b)] = inside is not null ? (inside, true)
            : (full.Weights([.. a.L.Zip(b.L, (x, y) => x - y)])
                ?? throw new InvalidOperationException("Two cells that can be told can be told apart."), false);
    }

    /// <summary>Σ over rows of what both count for.</summary>
    private double ByRow((double[] W, bool Inside) a, (double[] W, bool Inside) b) =>
        a.Inside == b.Inside ? LinearModel.Dot(a.W, b.W) : a.Inside ? Through(a.W, _across, b.W) : Through(b.W, _across, a.W);

    /// <summary>The same over whole plots; within one whole plot the parts of a difference make up for each other.</summary>
    private double ByPlot((double[] W, bool Inside) a, (double[] W, bool Inside) b) =>
        a.Inside || b.Inside ? 0 : Through(a.W, _byPlot, b.W);

    private static List<double[]> PerPlot(IReadOnlyList<double[]> q, Factor plots) => [.. q.Select(column =>
    {
        var sums = new double[plots.Levels.Count];
        for (var r = 0; r < column.Length; r++)
        {
            sums[plots.Of[r]] += column[r];
        }

        return sums;
    })];

    private static double[,] Shared(IReadOnlyList<double[]> a, IReadOnlyList<double[]> b)
    {
        var shared = new double[a.Count, b.Count];
        for (var i = 0; i < a.Count; i++)
        {
            for (var j = 0; j < b.Count; j++)
            {
                shared[i, j] = LinearModel.Dot(a[i], b[j]);
            }
        }

        return shared;
    }

    private static double Through(double[] a, double[,] m, double[] b)
    {
        var sum = 0.0;
        for (var i = 0; i < a.Length; i++)
        {
            for (var j = 0; j < b.Length; j++)
            {
                sum += a[i] * m[i, j] * b[j];
            }
        }

        return sum;
    }

    /// <summary>The difference of two cells of one whole plot, as the model with whole plots in it asks for it.</summary>
    private double[] Inner(Cell a, Cell b)
    {
        double[] At(Cell c) => inner.MeanAt(f => f == whole ? c.Levels[0] : f == within ? c.Levels[1] : null);
        return [.. At(a).Zip(At(b), (x, y) => x - y)];
    }
}
