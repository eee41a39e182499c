using MudPie.Core.Judging.Statistics;

namespace MudPie.Core.Judging.Trials;

/// <summary>
/// What a difference between two cells of a split plot carries: within one whole plot only the noise of its parts; across whole plots both.
/// </summary>
/// <remarks>
/// With what each row counts for, v, and what each whole plot counts for in all, V = Σv within it: the variance is σ²·Σv² + τ²·ΣV², of which
/// σ² = MSb and τ² = (MSa − MSb) ÷ n for n parts of a whole plot; freedom by Satterthwaite (1946). With r blocks this is the textbook's 2·MSb ÷ r within
/// a whole plot and 2·(MSa + (n − 1)·MSb) ÷ (r·n) across.
/// </remarks>
/// <param name="full">Blocks, both factors and what they do together.</param>
/// <param name="inner">Whole plots in the place of blocks and of the factor that lies on them.</param>
/// <param name="whole">The factor on whole plots.</param>
/// <param name="within">The factor within them.</param>
/// <param name="plots">The whole plots.</param>
/// <param name="between">MSa and its degrees of freedom; NaN where one whole plot of each tells nothing.</param>
/// <param name="parts">MSb and its degrees of freedom.</param>
internal sealed class TwoNoises(TermModel full, TermModel inner, Factor whole, Factor within, Factor plots, (double Ms, double Df) between, (double Ms, double Df) parts) : INoise
{
    private readonly double _n = within.Levels.Count;

    public (double Difference, double Se, double Df) Between(Cell a, Cell b)
    {
        var (v, perPlot) = Counts(a, b);
        var difference = a.Mean - b.Mean;
        if (a.Levels[0] == b.Levels[0])
        {
            difference = inner.Of(Inner(a, b)) is { } within ? within.Estimate : difference;
        }

        var all = LinearModel.Dot(v, v);
        var shared = Math.Clamp(LinearModel.Dot(perPlot, perPlot) / _n, 0, all); // no more than all, as no whole plot has more than n parts
        var (outside, inside) = (shared < 1e-9 * all ? 0 : shared * between.Ms, (all - shared) * parts.Ms);
        var variance = outside + inside;
        var df = shared < 1e-9 * all ? parts.Df
            : !double.IsFinite(variance) || between.Df < 1 || parts.Df < 1 ? 0
            : variance > 0 ? variance * variance / ((outside * outside / between.Df) + (inside * inside / parts.Df)) : Math.Min(between.Df, parts.Df);
        // Rounded to a millionth: pairs laid alike have one law.
        return (Math.Abs(difference) < 1e-12 * (Math.Abs(a.Mean) + Math.Abs(b.Mean)) ? 0 : difference, Math.Sqrt(variance), Math.Round(df, 6));
    }

    public double Correlation(Cell a, Cell b, Cell control)
    {
        var (x, y) = (Counts(a, control), Counts(b, control));
        var tau = double.IsFinite(between.Ms) ? Math.Max(between.Ms - parts.Ms, 0) / _n : 0;
        double Both((double[] Rows, double[] PerPlot) p, (double[] Rows, double[] PerPlot) r) => (parts.Ms * LinearModel.Dot(p.Rows, r.Rows)) + (tau * LinearModel.Dot(p.PerPlot, r.PerPlot));
        var size = Math.Sqrt(Both(x, x) * Both(y, y));
        return size > 0 ? Both(x, y) / size : 0.5; // without any noise none of it is asked for
    }

    /// <summary>The standard deviation between two plots that a difference of these is judged by.</summary>
    public double Stray(Cell a, Cell b) => Between(a, b).Se * Math.Sqrt(Math.Min(a.Plots, b.Plots) / 2.0);

    /// <summary>What each row, and each whole plot in all, counts for in a difference.</summary>
    private (double[] Rows, double[] PerPlot) Counts(Cell a, Cell b)
    {
        var rows = (a.Levels[0] == b.Levels[0] ? inner.Rows(Inner(a, b)) : null) ?? full.Rows([.. a.L.Zip(b.L, (x, y) => x - y)]) ?? throw new InvalidOperationException("Two cells that can be told can be told apart.");
        var perPlot = new double[plots.Levels.Count];
        for (var r = 0; r < rows.Length; r++)
        {
            perPlot[plots.Of[r]] += rows[r];
        }

        return (rows, perPlot);
    }

    /// <summary>The difference of two cells of one whole plot, as the model with whole plots in it asks for it.</summary>
    private double[] Inner(Cell a, Cell b)
    {
        double[] At(Cell c) => inner.MeanAt(f => f == whole ? c.Levels[0] : f == within ? c.Levels[1] : null);
        return [.. At(a).Zip(At(b), (x, y) => x - y)];
    }
}
