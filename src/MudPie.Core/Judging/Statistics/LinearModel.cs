using System.Numerics;

namespace MudPie.Core.Judging.Statistics;

/// <summary>
/// Least squares y = α of its group + Xβ + e. What the groups hold is swept out first (Frisch and Waugh 1933, Lovell 1963), by taking group
/// means off, so that a thousand blocks cost no more than one;
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
    /// <param name="sweep">The groups that each have a level of their own: blocks, whole plots; one group of all where there are
    /// none.</param>
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

    /// <summary>The vector w with L·β = w·(Q'y) and variance σ²|w|², beside what the even mean of the groups brings; null where the data
    /// cannot tell L·β.</summary>
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
