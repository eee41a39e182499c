using MathNet.Numerics.Distributions;

namespace MudPie.Core.Judging.Statistics;

/// <summary>Checks of what a t or an F takes for granted.</summary>
internal static class Shape
{
    /// <summary>The most residuals that <see cref="NormalP"/> knows the law of.</summary>
    public const int MostStraight = 5000;

    /// <summary>Shapiro–Francia: how straight residuals lie on normal scores; its p by Royston (1993), for 5 to 5000 of them. Null
    /// outside.</summary>
    public static double? NormalP(IReadOnlyList<double> residuals)
    {
        var n = residuals.Count;
        if (n is < 5 or > MostStraight)
        {
            return null;
        }

        var x = residuals.Order().ToArray();
        var m = Enumerable.Range(1, n).Select(i => Normal.InvCDF(0, 1, (i - 0.375) / (n + 0.25))).ToArray();
        var mean = x.Average();
        var (xx, mm, xm) = (x.Sum(v => (v - mean) * (v - mean)), m.Sum(v => v * v), x.Select((v, i) => (v - mean) * m[i]).Sum());
        if (xx <= 0)
        {
            return null;
        }

        var w = xm * xm / (xx * mm);
        var (u, v) = (Math.Log(n), Math.Log(Math.Log(n)));
        var (mu, sigma) = (-1.2725 + (1.0521 * (v - u)), 1.0308 - (0.26758 * (v + (2 / u))));
        return 1 - Normal.CDF(0, 1, (Math.Log(1 - Math.Min(w, 1 - 1e-15)) - mu) / sigma);
    }

    /// <summary>
    /// Brown–Forsythe (1974): is the spread alike in all groups? p of an analysis of |x − median|. Two plots lie equally far from their
    /// middle whatever their
    /// spread, so groups of two tell nothing here and are left out. Null where there is too little to tell.
    /// </summary>
    public static double? EvenSpreadP(IReadOnlyList<IReadOnlyList<double>> groups) => EvenP([.. groups.Select(g =>
    {
        var middle = Median(g);
        return g.Select(x => Math.Abs(x - middle)).ToList();
    })]);

    /// <summary>Are deviations alike in all groups? p of their analysis; groups of fewer than three are left out. Null where there is too
    /// little to tell.</summary>
    public static double? EvenP(IReadOnlyList<IReadOnlyList<double>> deviations)
    {
        List<IReadOnlyList<double>> from = [.. deviations.Where(g => g.Count > 2)];
        var n = from.Sum(g => g.Count);
        if (from.Count < 2 || n - from.Count < 4)
        {
            return null;
        }

        var grand = from.SelectMany(g => g).Average();
        var between = from.Sum(g => g.Count * Math.Pow(g.Average() - grand, 2)) / (from.Count - 1);
        var within = from.Sum(g =>
        {
            var mean = g.Average();
            return g.Sum(x => (x - mean) * (x - mean));
        }) / (n - from.Count);
        return within > 0 ? Distribution.UpperF(between / within, from.Count - 1, n - from.Count) : null;
    }

    public static double Median(IReadOnlyList<double> x)
    {
        var sorted = x.Order().ToArray();
        return (sorted[(sorted.Length - 1) / 2] + sorted[sorted.Length / 2]) / 2;
    }
}
