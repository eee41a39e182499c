using MathNet.Numerics.Integration;

namespace MudPie.Core.Judging.Statistics;

/// <summary>Integrals by Gauss–Legendre on equal panels: smooth integrands only.</summary>
internal static class Quadrature
{
    private const int Order = 24;

    private static readonly GaussLegendreRule Rule = new(-1, 1, Order);

    /// <summary>Abscissas and weights on [from, to], cut into panels.</summary>
    public static (double X, double Weight)[] Nodes(double from, double to, int panels)
    {
        var nodes = new (double, double)[panels * Order];
        var half = (to - from) / panels / 2;
        for (var p = 0; p < panels; p++)
        {
            var middle = from + (((2 * p) + 1) * half);
            for (var i = 0; i < Order; i++)
            {
                nodes[(p * Order) + i] = (middle + (half * Rule.GetAbscissa(i)), half * Rule.GetWeight(i));
            }
        }

        return nodes;
    }

    /// <summary>Averages f(s) over s = √(χ²ν / ν), the estimated over the true standard deviation; f(1) where ν is not finite.</summary>
    public static double OverScale(double df, Func<double, double> f)
    {
        if (double.IsPositiveInfinity(df) || df > 1e6)
        {
            return f(1);
        }

        if (Scales.Count > 400)
        {
            Scales.Clear();
        }

        var sum = 0.0;
        foreach (var (s, weight) in Scales.GetOrAdd(df, ScaleNodes))
        {
            sum += weight * f(s);
        }

        return sum;
    }

    // A quantile asks for the same degrees of freedom many times over, and their ends are slow to find.
    private static readonly System.Collections.Concurrent.ConcurrentDictionary<double, (double S, double Weight)[]> Scales = new();

    private static (double S, double Weight)[] ScaleNodes(double df)
    {
        var chi = new MathNet.Numerics.Distributions.ChiSquared(df);
        // All but 2e-13 of the distribution; in u = ln s the density is smooth down to a part of one degree of freedom.
        // Near nought P(χ² < x) is (x/2)^(ν/2) / Γ(ν/2 + 1), where a general root-finder loses its way.
        var least = df < 6 ? 2 * Math.Exp(2 / df * (Math.Log(1e-13) + MathNet.Numerics.SpecialFunctions.GammaLn((df / 2) + 1)))
            : chi.InverseCumulativeDistribution(1e-13);
        var (low, high) = (0.5 * Math.Log(least / df), 0.5 * Math.Log(chi.InverseCumulativeDistribution(1 - 1e-13) / df));
        return [.. Nodes(low, high, df < 2 ? 14 : df < 6 ? 8 : 3)
            .Select(n => (Math.Exp(n.X), n.Weight * chi.Density(df * Math.Exp(2 * n.X)) * 2 * df * Math.Exp(2 * n.X)))];
    }

    /// <summary>A root by Brent's (1973) method, to the tolerance that statistics programs customarily stop at, so that figures agree with
    /// theirs to the last digit shown.</summary>
    /// <param name="f">Has opposite signs at the ends.</param>
    /// <param name="low">One end.</param>
    /// <param name="high">The other.</param>
    public static double Root(Func<double, double> f, double low, double high)
    {
        const double tolerance = 1.0 / 8192;
        var (a, fa, b, fb) = (low, f(low), high, f(high));
        var (c, fc) = (a, fa);
        for (var i = 0; i < 1000 && fa != 0 && fb != 0; i++)
        {
            var before = b - a;
            if (Math.Abs(fc) < Math.Abs(fb))
            {
                (a, fa, b, fb, c, fc) = (b, fb, c, fc, b, fb);
            }

            var (least, step) = ((2 * double.BitIncrement(1) - 2) * Math.Abs(b) + (tolerance / 2), (c - b) / 2);
            if (Math.Abs(step) <= least || fb == 0)
            {
                return b;
            }

            if (Math.Abs(before) >= least && Math.Abs(fa) > Math.Abs(fb) && Guess(a, fa, b, fb, c, fc, before, least) is { } guess)
            {
                step = guess;
            }

            step = Math.Abs(step) < least ? Math.CopySign(least, step) : step;
            (a, fa) = (b, fb);
            b += step;
            fb = f(b);
            if (fb * fc > 0)
            {
                (c, fc) = (a, fa);
            }
        }

        return fa == 0 ? a : b;
    }

    /// <summary>A step by the secant, or by an inverse parabola through three points; null where it leaves the bracket or is too
    /// bold.</summary>
    private static double? Guess(double a, double fa, double b, double fb, double c, double fc, double before, double least)
    {
        double p, q;
        if (a == c)
        {
            (p, q) = ((c - b) * (fb / fa), 1 - (fb / fa));
        }
        else
        {
            var (ac, bc, ba) = (fa / fc, fb / fc, fb / fa);
            p = ba * (((c - b) * ac * (ac - bc)) - ((b - a) * (bc - 1)));
            q = (ac - 1) * (bc - 1) * (ba - 1);
        }

        (p, q) = p > 0 ? (p, -q) : (-p, q);
        return p < (0.75 * (c - b) * q) - (Math.Abs(least * q) / 2) && p < Math.Abs(before * q / 2) ? p / q : null;
    }

    /// <summary>The x on [low, high] where a rising f reaches a target; high is doubled until it does.</summary>
    public static double Rising(Func<double, double> f, double target, double low, double high)
    {
        for (var i = 0; i < 60 && f(high) < target; i++)
        {
            high *= 2;
        }

        return MathNet.Numerics.RootFinding.Brent.FindRoot(x => f(x) - target, low, high, 1e-9, 200);
    }
}
