namespace MudPie.Core.Judging.Statistics;

/// <summary>Least squares y = Xβ + e by Gram–Schmidt done twice; columns that others already hold are set aside, so that missing plots and missing cells do no harm.</summary>
internal sealed class LinearModel
{
    private readonly List<double[]> _q = [];
    private readonly List<int> _kept = [];
    private readonly List<double[]> _r = []; // column of R for each kept column
    private readonly Dictionary<int, double[]> _aside = []; // for a column set aside: what it is of the kept ones, in Q

    /// <summary>Fits.</summary>
    /// <param name="columns">Columns of X, n long each.</param>
    /// <param name="y">n values.</param>
    public LinearModel(IReadOnlyList<double[]> columns, IReadOnlyList<double> y)
    {
        for (var c = 0; c < columns.Count; c++)
        {
            var v = (double[])columns[c].Clone();
            var (r, size) = (new double[_q.Count + 1], Math.Sqrt(Dot(v, v)));
            for (var pass = 0; pass < 2; pass++)
            {
                for (var k = 0; k < _q.Count; k++)
                {
                    var part = Dot(_q[k], v);
                    r[k] += part;
                    Take(v, _q[k], part);
                }
            }

            var left = Math.Sqrt(Dot(v, v));
            if (size == 0 || left <= 1e-9 * size)
            {
                _aside[c] = r[..^1];
                continue;
            }

            r[^1] = left;
            _q.Add([.. v.Select(x => x / left)]);
            _r.Add(r);
            _kept.Add(c);
        }

        Residuals = [.. y];
        Effects = new double[_q.Count];
        for (var pass = 0; pass < 2; pass++)
        {
            for (var k = 0; k < _q.Count; k++)
            {
                var part = Dot(_q[k], Residuals);
                Effects[k] += part;
                Take(Residuals, _q[k], part);
            }
        }

        Rss = Dot(Residuals, Residuals);
    }

    /// <summary>Q'y.</summary>
    private double[] Effects { get; }

    /// <summary>y less what is fitted.</summary>
    public double[] Residuals { get; }

    /// <summary>Sum of squares left.</summary>
    public double Rss { get; }

    /// <summary>Rank of X.</summary>
    public int Rank => _q.Count;

    /// <summary>Leverage of row i: how much it draws its own fitted value.</summary>
    public double Leverage(int i) => _q.Sum(q => q[i] * q[i]);

    /// <summary>The vector w with L·β = w·(Q'y) and variance σ²|w|²; null where the data cannot tell L·β.</summary>
    /// <param name="l">A figure for each column of X.</param>
    public double[]? Contrast(double[] l)
    {
        var k = _kept.Count;
        var w = new double[k];
        for (var i = 0; i < k; i++) // solves R'w = l on the kept columns
        {
            var sum = l[_kept[i]];
            for (var j = 0; j < i; j++)
            {
                sum -= _r[i][j] * w[j];
            }

            w[i] = sum / _r[i][i];
        }

        var known = _aside.All(a => Math.Abs(l[a.Key] - a.Value.Select((x, j) => x * w[j]).Sum()) < 1e-7);
        return known ? w : null;
    }

    /// <summary>What each row of y counts for in the estimate behind <see cref="Contrast"/>: L·β = Σ rowᵢyᵢ.</summary>
    public double[] Rows(double[] w)
    {
        var rows = new double[Residuals.Length];
        for (var k = 0; k < w.Length; k++)
        {
            Take(rows, _q[k], -w[k]);
        }

        return rows;
    }

    /// <summary>The estimate behind <see cref="Contrast"/>.</summary>
    public double Estimate(double[] w) => Dot(w, Effects);

    /// <summary>Σ aᵢbᵢ.</summary>
    public static double Dot(IReadOnlyList<double> a, IReadOnlyList<double> b)
    {
        var sum = 0.0;
        for (var i = 0; i < a.Count; i++)
        {
            sum += a[i] * b[i];
        }

        return sum;
    }

    private static void Take(double[] v, double[] q, double part)
    {
        for (var i = 0; i < v.Length; i++)
        {
            v[i] -= part * q[i];
        }
    }
}

/// <summary>A factor as the model sees it: its name, its levels in order, and each row's level.</summary>
internal sealed record Factor(string Name, IReadOnlyList<string> Levels, IReadOnlyList<int> Of)
{
    /// <summary>From a column, levels in order of appearance, or by size where all are numbers; a first level may be wished for.</summary>
    public static Factor From(string name, IReadOnlyList<string> column, string? first = null)
    {
        var levels = column.Distinct().ToList();
        if (levels.All(l => double.TryParse(l, System.Globalization.CultureInfo.InvariantCulture, out _)))
        {
            levels = [.. levels.OrderBy(l => double.Parse(l, System.Globalization.CultureInfo.InvariantCulture))];
        }

        if (first is not null && levels.Remove(first))
        {
            levels.Insert(0, first);
        }

        return new Factor(name, levels, [.. column.Select(c => levels.IndexOf(c))]);
    }

    /// <summary>Rows with this level.</summary>
    public int Count(int level) => Of.Count(x => x == level);
}

/// <summary>A term of a model: one factor, or several crossed.</summary>
internal sealed record Term(IReadOnlyList<Factor> Factors)
{
    public string Name => string.Join(":", Factors.Select(f => f.Name));

    /// <summary>True where this term is part of the other: height is part of height:soil.</summary>
    public bool Within(Term other) => other.Factors.Count > Factors.Count && Factors.All(other.Factors.Contains);

    /// <summary>Columns in deviations from the mean level (sum to zero), products for crossed factors.</summary>
    public IEnumerable<(double[] Column, int[] Code)> Columns(int rows) => Codes(0).Select(code => (Enumerable.Range(0, rows).Select(r => Value(code, f => Factors[f].Of[r])).ToArray(), code));

    /// <summary>What a column of this code is at given levels.</summary>
    public double Value(int[] code, Func<int, int> levelOf)
    {
        var value = 1.0;
        for (var f = 0; f < Factors.Count; f++)
        {
            var (level, last) = (levelOf(f), Factors[f].Levels.Count - 1);
            value *= level == last ? -1 : level == code[f] ? 1 : 0;
        }

        return value;
    }

    private IEnumerable<int[]> Codes(int from)
    {
        if (from == Factors.Count)
        {
            return [[]];
        }

        return Enumerable.Range(0, Factors[from].Levels.Count - 1).SelectMany(c => Codes(from + 1).Select(rest => (int[])[c, .. rest]));
    }
}
