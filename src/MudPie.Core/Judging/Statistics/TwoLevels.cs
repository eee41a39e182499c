namespace MudPie.Core.Judging.Statistics;

/// <summary>How the differences from one control hang together in a split plot with no plot missing: some share the control's whole plots
/// (near), the others lie by groups on other ones (far).</summary>
/// <remarks>
/// With θ the share of the parts in the noise of a mean, the correlations are ½ between near ones and between groups, 1 − θ/2 within a
/// group, ½√θ between near and far.
/// What they share is the control's own stray v = u + e, and each group's w; given these all are apart: P = ∫ φ(v) A(v) ∏ G(v) dv with G(v)
/// = ∫ φ(w) [Φ((v + c√2 − √(1−θ) w)/√θ) − Φ((v − c√2 − √(1−θ) w)/√θ)]ⁿ dw, and A(v) alike over e given v.
/// </remarks>
internal sealed class TwoLevels
{
    private readonly double _theta;
    private readonly int _near;
    private readonly (int Members, int Groups)[] _far;
    private readonly (double X, double Weight)[] _normal;

    private TwoLevels(double theta, int near, IEnumerable<int> far)
    {
        (_theta, _near) = (theta, near);
        _far = [.. far.GroupBy(n => n).Select(g => (g.Key, g.Count()))];
        // The trapezoid rule is all but exact for such smooth bells; its step is well below the width of their edges, √θ.
        var step = Math.Min(0.4, 0.5 * Math.Sqrt(theta));
        var half = (int)(8 / step);
        _normal = [.. Enumerable.Range(-half, (2 * half) + 1).Select(i => (i * step, step * Distribution.Density(i * step)))];
    }

    /// <summary>What lies behind these correlations; null where it is something else, or where the edges are too sharp (θ below
    /// 0.01).</summary>
    /// <param name="r">k × k correlations, ones on the diagonal.</param>
    public static TwoLevels? Of(double[,] r)
    {
        const double same = 1e-7;
        var k = r.GetLength(0);
        var most = Enumerable.Range(0, k).SelectMany(i => Enumerable.Range(0, i).Select(j => r[i, j])).DefaultIfEmpty(0).Max();
        var theta = 2 * (1 - most);
        if (theta is < 0.01 or > 0.999)
        {
            return null;
        }

        var group = new int[k];
        Array.Fill(group, -1);
        for (var i = 0; i < k; i++)
        {
            for (var j = 0; j < k && group[i] < 0; j++)
            {
                group[i] = j != i && Math.Abs(r[i, j] - most) < same ? Math.Min(i, j) : -1;
            }
        }

        for (var i = 0; i < k; i++)
        {
            for (var j = 0; j < i; j++)
            {
                var wanted = (group[i] < 0) != (group[j] < 0) ? Math.Sqrt(theta) / 2 : group[i] >= 0 && group[i] == group[j] ? most : 0.5;
                if (Math.Abs(r[i, j] - wanted) > same)
                {
                    return null;
                }
            }
        }

        return new TwoLevels(theta, group.Count(g => g < 0), group.Where(g => g >= 0).GroupBy(g => g).Select(g => g.Count()));
    }

    /// <summary>P(all |Z| ≤ c) for normal Z.</summary>
    public double Cdf(double c)
    {
        var (slope, root) = (Math.Sqrt((1 - _theta) / _theta), Math.Sqrt(_theta));
        var sum = 0.0;
        foreach (var (v, weight) in _normal)
        {
            if (v < 0)
            {
                continue; // the other half is the same
            }

            var all = _near == 0 ? 1 : Over(root * v, Math.Sqrt(1 - _theta), c * Math.Sqrt(2), _near);
            foreach (var (members, groups) in _far)
            {
                all *= Math.Pow(Over(v / root, slope, c * Math.Sqrt(2) / root, members), groups);
            }

            sum += all * weight * (v > 0 ? 2 : 1);
        }

        return Math.Min(sum, 1);
    }

    /// <summary>∫ φ(x) [Φ(centre + reach − slope x) − Φ(centre − reach − slope x)]ⁿ dx.</summary>
    private double Over(double centre, double slope, double reach, int n)
    {
        var sum = 0.0;
        foreach (var (x, weight) in _normal)
        {
            var at = centre - (slope * x);
            sum += weight * Math.Pow(Distribution.Phi(at + reach) - Distribution.Phi(at - reach), n);
        }

        return sum;
    }
}
