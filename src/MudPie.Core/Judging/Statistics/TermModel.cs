namespace MudPie.Core.Judging.Statistics;

/// <summary>One line of an analysis of variance.</summary>
/// <param name="Term">What varied: "block", "treatment", "Residuals".</param>
/// <param name="Df">Degrees of freedom.</param>
/// <param name="Ss">Sum of squares, each term after all others that do not hold it.</param>
/// <param name="Ms">Mean square; null where no freedom is left to the noise.</param>
/// <param name="F">Ratio to its error; null on an error's own line.</param>
/// <param name="P">Chance of an F so large where nothing differs; null on an error's own line.</param>
public sealed record AnovaLine(string Term, int Df, double Ss, double? Ms, double? F, double? P);

/// <summary>A linear model of terms: its table, its means, and differences with their variance.</summary>
internal sealed class TermModel
{
    private readonly IReadOnlyList<Term> _terms;
    private readonly List<(Term? Term, int[] Code)> _columns = [(null, [])];
    private readonly LinearModel _fit;
    private readonly double[] _y;
    private readonly Dictionary<Term, List<double[]>> _columnsOf = [];
    private readonly Term? _swept;

    /// <summary>Fits.</summary>
    /// <param name="terms">Beside the constant.</param>
    /// <param name="y">A value for each row.</param>
    /// <param name="swept">The term whose levels nobody asks for by name, of one factor: blocks, whole plots. It is taken out by its means,
    /// however many levels it has.</param>
    public TermModel(IReadOnlyList<Term> terms, IReadOnlyList<double> y, Term? swept = null)
    {
        (_terms, _y, _swept) = (terms, [.. y], swept);
        _columns.AddRange(terms.Where(t => t != swept).SelectMany(t => t.Codes().Select(code => ((Term?)t, code))));
        _fit = Fit(terms);
        Rss = _fit.Rss <= 1e-22 * LinearModel.Dot(_y, _y) ? 0 : _fit.Rss;
    }

    /// <summary>Orthonormal columns of all that is beyond what was swept out; see <see cref="Weights"/>.</summary>
    public IReadOnlyList<double[]> Q => _fit.Q;

    /// <summary>What each column of <see cref="Q"/> counts for in a difference; null where the data cannot tell it.</summary>
    public double[]? Weights(double[] l) => _fit.Contrast(l);

    /// <summary>The mean of each level of what was swept out, at the even middle of all else.</summary>
    public double[] SweptMeans()
    {
        var at = MeanAt(_ => null);
        return _fit.Levels(_y, ColumnsOf(_terms), at[1..]);
    }

    /// <summary>Sum of squares left; nothing where it is only the rounding of figures that are all alike.</summary>
    public double Rss { get; }

    public int Df => _y.Length - _fit.Rank;

    /// <summary>Mean square of the noise; NaN where no freedom is left.</summary>
    public double Ms => Df > 0 ? Rss / Df : double.NaN;

    public IReadOnlyList<double> Residuals => _fit.Residuals;

    /// <summary>Each term after all others that do not hold it ("marginal"); where every cell is alike this is the plain table.</summary>
    public List<AnovaLine> Table(string error = "Residuals") =>
    [
        .. _terms.Select(t => Line(t, Ms, Df)),
        new AnovaLine(error, Df, Rss, Df > 0 ? Ms : null, null, null),
    ];

    /// <summary>A term's line against a given error.</summary>
    public AnovaLine Line(Term term, double errorMs, double errorDf)
    {
        List<Term> without = [.. _terms.Where(t => t != term && !term.Within(t))];
        var (small, large) = (Fit(without), without.Count == _terms.Count - 1 ? _fit : Fit([.. without, term]));
        var (df, ss) = (large.Rank - small.Rank, small.Rss - large.Rss <= 1e-22 * LinearModel.Dot(_y, _y) ? 0 : small.Rss - large.Rss);
        var ms = df > 0 ? ss / df : 0;
        var f = df > 0 && errorMs > 0 ? ms / errorMs : (double?)null;
        return new AnovaLine(term.Name, df, ss, ms, f, f is { } v ? Distribution.UpperF(v, df, errorDf) : null);
    }

    /// <summary>Externally studentized residual of row i: its own plot left out of the noise. NaN where the plot alone decides its
    /// fit.</summary>
    public double Studentized(int i)
    {
        var (h, e) = (_fit.Leverage(i), Residuals[i]);
        if (h > 1 - 1e-9 || Df < 2)
        {
            return double.NaN;
        }

        var without = (Rss - (e * e / (1 - h))) / (Df - 1);
        return without <= 0 ? double.NaN : e / Math.Sqrt(without * (1 - h));
    }

    /// <summary>The L whose L·β is the mean at some levels, averaged evenly over all other factors.</summary>
    public double[] MeanAt(Func<Factor, int?> level) => [.. _columns.Select(c => c.Term is null ? 1.0 : Average(c.Term, c.Code, level))];

    /// <summary>Estimate and its variance in units of the noise; null where the data cannot tell.</summary>
    public (double Estimate, double VarianceShare)? Of(double[] l) => _fit.Contrast(l) is { } w
        ? (_fit.Estimate(l, w), _fit.VarianceShare(l, w)) : null;

    /// <summary>Covariance of two differences in units of the noise.</summary>
    public double Shared(double[] a, double[] b) => LinearModel.Dot(_fit.Contrast(a)!, _fit.Contrast(b)!);

    private static double Average(Term term, int[] code, Func<Factor, int?> level)
    {
        var value = 1.0;
        for (var f = 0; f < term.Factors.Count; f++)
        {
            // Sum-to-zero columns average to nought over a factor's levels, so what is not named drops out.
            value *= level(term.Factors[f]) is { } at ? new Term([term.Factors[f]]).Value([code[f]], _ => at) : 0;
        }

        return value;
    }

    private LinearModel Fit(IReadOnlyList<Term> terms) =>
        new(ColumnsOf(terms), _y, _swept is not null && terms.Contains(_swept) ? new Sweep(_swept.Factors[0]) : new Sweep(_y.Length));

    private List<double[]> ColumnsOf(IReadOnlyList<Term> terms) =>
        [.. terms.Where(t => t != _swept).SelectMany(t => _columnsOf.TryGetValue(t, out var known)
            ? known : _columnsOf[t] = [.. t.Columns(_y.Length).Select(c => c.Column)])];
}
