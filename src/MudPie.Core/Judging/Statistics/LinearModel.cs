using System.Numerics;

namespace MudPie.Core.Judging.Statistics;

/// <summary>
/// Least squares y = α of its group + Xβ + e. What the groups hold is swept out first (Frisch and Waugh 1933, Lovell 1963), by taking group means off, so that a thousand blocks cost no more than one;
/// the rest by Gram–Schmidt done twice. Columns that others already hold are set aside, so that missing plots and missing cells do no harm.
/// </summary>
internal sealed class LinearModel
{
    private readonly List<double[]> _q = [];
    private readonly List<int> _kept = [];
    private readonly List<double[]> _r = []; // column of R for each kept column
    private readonly Dictionary<int, double[]> _aside = []; // for a column set aside: what it is of the kept ones, in Q
    private readonly Sweep _sweep;
    private readonly double[] _middle; // of each column of X: its group means, each group counted alike
    private readonly double _level; // of y the same

    /// <summary>Fits.</summary>
    /// <param name="columns">Columns of X, n long each; the constant is none of them.</param>
    /// <param name="y">n values.</param>
    /// <param name="sweep">The groups that each have a level of their own: blocks, whole plots; one group of all where there are none.</param>
    public LinearModel(IReadOnlyList<double[]> columns, IReadOnlyList<double> y, Sweep sweep)
    {
        _sweep = sweep;
        _middle = new double[columns.Count];
        for (var c = 0; c < columns.Count; c++)
        {
            Workings.Patience.Check();
            var v = (double[])columns[c].Clone();
            var size = Math.Sqrt(Dot(v, v));
            _middle[c] = sweep.TakeOut(v);
            var r = new double[_q.Count + 1];
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

        double[] rest = [.. y];
        _level = sweep.TakeOut(rest);
        sweep.TakeOut(rest); // twice, as Gram–Schmidt
        Residuals = rest;
        Effects = new double[_q.Count];
        for (var pass = 0; pass < 2; pass++)
        {
            for (var k = 0; k < _q.Count; k++)
            {
                var part = Dot(_q[k], rest);
                Effects[k] += part;
                Take(rest, _q[k], part);
            }
        }

        Rss = Dot(rest, rest);
    }

    /// <summary>Q'y.</summary>
    private double[] Effects { get; }

    /// <summary>y less what is fitted.</summary>
    public double[] Residuals { get; }

    /// <summary>Sum of squares left.</summary>
    public double Rss { get; }

    /// <summary>Rank of groups and X together.</summary>
    public int Rank => _sweep.Groups + _q.Count;

    /// <summary>Orthonormal columns of what X has beyond the groups, n long each.</summary>
    public IReadOnlyList<double[]> Q => _q;

    /// <summary>Leverage of row i: how much it draws its own fitted value.</summary>
    public double Leverage(int i) => (_leverages ??= Leverages())[i];

    private double[]? _leverages;

    private double[] Leverages()
    {
        var all = new double[Residuals.Length];
        for (var i = 0; i < all.Length; i++)
        {
            all[i] = 1.0 / _sweep.SizeOf(i);
        }

        foreach (var q in _q)
        {
            for (var i = 0; i < all.Length; i++)
            {
                all[i] += q[i] * q[i];
            }
        }

        return all;
    }

    /// <summary>The vector w with L·β = w·(Q'y) and variance σ²|w|², beside what the even mean of the groups brings; null where the data cannot tell L·β.</summary>
    /// <param name="l">First what the groups' levels count for, all groups alike; then a figure for each column of X.</param>
    public double[]? Contrast(double[] l)
    {
        var k = _kept.Count;
        var w = new double[k];
        double Beyond(int column) => l[column + 1] - (l[0] * _middle[column]);
        for (var i = 0; i < k; i++) // solves R'w = l on the kept columns
        {
            var sum = Beyond(_kept[i]);
            for (var j = 0; j < i; j++)
            {
                sum -= _r[i][j] * w[j];
            }

            w[i] = sum / _r[i][i];
        }

        var known = _aside.All(a => Math.Abs(Beyond(a.Key) - a.Value.Select((x, j) => x * w[j]).Sum()) < 1e-7);
        return known ? w : null;
    }

    /// <summary>The estimate behind <see cref="Contrast"/>.</summary>
    public double Estimate(double[] l, double[] w) => (l[0] * _level) + Dot(w, Effects);

    /// <summary>Its variance in units of the noise.</summary>
    public double VarianceShare(double[] l, double[] w) => (l[0] * l[0] * _sweep.VarianceOfMean) + Dot(w, w);

    /// <summary>What each group's own level comes to, with what X explains at <paramref name="at"/> added.</summary>
    /// <param name="y">The values that were fitted.</param>
    /// <param name="columns">The columns that were fitted.</param>
    /// <param name="at">A figure for each column of X.</param>
    public double[] Levels(IReadOnlyList<double> y, IReadOnlyList<double[]> columns, double[] at)
    {
        // β on the kept columns: R β = Q'y.
        var beta = new double[_kept.Count];
        for (var i = beta.Length - 1; i >= 0; i--)
        {
            beta[i] = Effects[i];
            for (var j = i + 1; j < beta.Length; j++)
            {
                beta[i] -= _r[j][i] * beta[j];
            }

            beta[i] /= _r[i][i];
        }

        var rest = y.ToArray();
        var explained = 0.0;
        for (var i = 0; i < beta.Length; i++)
        {
            Take(rest, columns[_kept[i]], beta[i]);
            explained += at[_kept[i]] * beta[i];
        }

        return [.. _sweep.Means(rest).Select(m => m + explained)];
    }

    /// <summary>Σ aᵢbᵢ.</summary>
    public static double Dot(ReadOnlySpan<double> a, ReadOnlySpan<double> b)
    {
        var (lanes, sums, i) = (Vector<double>.Count, Vector<double>.Zero, 0);
        for (; i <= a.Length - lanes; i += lanes)
        {
            sums += new Vector<double>(a[i..]) * new Vector<double>(b[i..]);
        }

        var sum = Vector.Sum(sums);
        for (; i < a.Length; i++)
        {
            sum += a[i] * b[i];
        }

        return sum;
    }

    private static void Take(Span<double> v, ReadOnlySpan<double> q, double part)
    {
        var (lanes, i) = (Vector<double>.Count, 0);
        for (; i <= v.Length - lanes; i += lanes)
        {
            (new Vector<double>(v[i..]) - (part * new Vector<double>(q[i..]))).CopyTo(v[i..]);
        }

        for (; i < v.Length; i++)
        {
            v[i] -= part * q[i];
        }
    }
}

/// <summary>Groups of rows whose own level is taken out: blocks, whole plots, or all rows as one.</summary>
internal sealed class Sweep
{
    private readonly int[]? _of;
    private readonly int[] _sizes;

    /// <summary>One group of all.</summary>
    /// <param name="rows">How many rows there are.</param>
    public Sweep(int rows)
        : this(null, [rows])
    {
    }

    /// <summary>A group for each level of a factor; a level without a row is none.</summary>
    public Sweep(Factor by)
        : this([.. by.Of], by.Counts)
    {
    }

    private Sweep(int[]? of, int[] sizes)
    {
        (_of, _sizes) = (of, sizes);
        Groups = sizes.Count(s => s > 0);
        VarianceOfMean = sizes.Where(s => s > 0).Sum(s => 1.0 / s) / Groups / Groups;
    }

    /// <summary>Groups with a row.</summary>
    public int Groups { get; }

    /// <summary>Rows in the group of row i.</summary>
    public int SizeOf(int i) => _sizes[_of is null ? 0 : _of[i]];

    /// <summary>Variance of the mean of the groups' means, in units of the noise: Σ 1/n ÷ G².</summary>
    public double VarianceOfMean { get; }

    /// <summary>Each group's mean; nought where it has no row.</summary>
    public double[] Means(double[] v)
    {
        var sums = new double[_sizes.Length];
        for (var i = 0; i < v.Length; i++)
        {
            sums[_of is null ? 0 : _of[i]] += v[i];
        }

        for (var g = 0; g < sums.Length; g++)
        {
            sums[g] /= Math.Max(_sizes[g], 1);
        }

        return sums;
    }

    /// <summary>Takes each group's mean off its rows.</summary>
    /// <returns>The mean of the groups' means.</returns>
    public double TakeOut(double[] v)
    {
        var means = Means(v);
        for (var i = 0; i < v.Length; i++)
        {
            v[i] -= means[_of is null ? 0 : _of[i]];
        }

        return means.Sum() / Groups;
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

        var place = levels.Select((l, i) => (l, i)).ToDictionary(x => x.l, x => x.i);
        return new Factor(name, levels, [.. column.Select(c => place[c])]);
    }

    /// <summary>Rows with each level.</summary>
    public int[] Counts { get; } = Of.Aggregate(new int[Levels.Count], (counts, level) =>
    {
        counts[level]++;
        return counts;
    });

    /// <summary>Rows with this level.</summary>
    public int Count(int level) => Counts[level];
}

/// <summary>A term of a model: one factor, or several crossed.</summary>
internal sealed record Term(IReadOnlyList<Factor> Factors)
{
    public string Name => string.Join(":", Factors.Select(f => f.Name));

    /// <summary>True where this term is part of the other: height is part of height:soil.</summary>
    public bool Within(Term other) => other.Factors.Count > Factors.Count && Factors.All(other.Factors.Contains);

    /// <summary>Columns in deviations from the mean level (sum to zero), products for crossed factors.</summary>
    public IEnumerable<(double[] Column, int[] Code)> Columns(int rows) => Codes(0).Select(code => (Column(rows, code), code));

    /// <summary>Which levels each of its columns stands for.</summary>
    public IEnumerable<int[]> Codes() => Codes(0);

    private double[] Column(int rows, int[] code)
    {
        var column = new double[rows];
        Array.Fill(column, 1);
        for (var f = 0; f < Factors.Count; f++)
        {
            var (of, last) = (Factors[f].Of, Factors[f].Levels.Count - 1);
            for (var r = 0; r < rows; r++)
            {
                column[r] *= of[r] == last ? -1 : of[r] == code[f] ? 1 : 0;
            }
        }

        return column;
    }

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
