using MathNet.Numerics.Distributions;

namespace MudPie.Core.Judging.Statistics;

/// <summary>The standard normal distribution, plain.</summary>
internal static class Distribution
{
    private const double RootTwoPi = 2.5066282746310002;

    public static double Density(double z) => Math.Exp(-0.5 * z * z) / RootTwoPi;

    private const double End = 8.5; // beyond it the distribution is nought or one to the last bit
    private const int PerUnit = 64;

    private static readonly (double Phi, double Density)[] Table =
        [.. Enumerable.Range(-(int)(End * PerUnit), (2 * (int)(End * PerUnit)) + 1)
            .Select(i => (Normal.CDF(0, 1, (double)i / PerUnit), Density((double)i / PerUnit)))];

    /// <summary>Φ(z), to 1e-16: from the nearest of a table's points by Taylor's series to the sixth order.</summary>
    /// <remarks>Φ(1.96) = 0.9750021048517795.</remarks>
    public static double Phi(double z)
    {
        if (!(Math.Abs(z) < End))
        {
            return double.IsNaN(z) ? z : z > 0 ? 1 : Normal.CDF(0, 1, z);
        }

        var at = (int)Math.Round(z * PerUnit);
        var (phi, density) = Table[at + (int)(End * PerUnit)];
        var x = (double)at / PerUnit;
        var d = z - x;
        var xx = x * x;
        // Derivatives of the density are Hermite's polynomials times it.
        return phi + (density * d
            * (1 + (d * ((-x / 2)
                + (d * (((xx - 1) / 6)
                    + (d * ((x * (3 - xx) / 24)
                        + (d * ((((xx - 6) * xx) + 3) / 120) + (d * d * x * ((-15 + ((10 - xx) * xx)) / 720)))))))))));
    }

    // The last of the table's points at or below each thousandth or so of p: where to begin to look.
    private static readonly int[] Starts =
        [.. Enumerable.Range(0, 1024).Select(i => Math.Max(Array.FindLastIndex(Table, t => t.Phi <= i / 1024.0), 0))];

    /// <summary>z with Φ(z) = p, to 1e-9 between ±5; ±8.5 where p is nearer to nought or one than the table reaches.</summary>
    /// <remarks>p 0.975: 1.959964.</remarks>
    public static double InvPhi(double p)
    {
        if (p <= Table[0].Phi || p >= Table[^1].Phi)
        {
            return p < 0.5 ? -End : End;
        }

        var (low, high) = (Starts[(int)(p * Starts.Length)], p * Starts.Length + 1 < Starts.Length ? Starts[(int)(p * Starts.Length) + 1]
            + 1 : Table.Length - 1);
        while (high - low > 1)
        {
            var middle = (low + high) / 2;
            (low, high) = Table[middle].Phi <= p ? (middle, high) : (low, middle);
        }

        // From the table's point by the inverse's own series, whose terms fall by a hundred each.
        var (phi, density) = Table[low];
        var z = ((double)low / PerUnit) - End;
        var d = (p - phi) / density;
        var zz = z * z;
        return z + (d
            * (1 + (d * ((z / 2)
                + (d * ((((2 * zz) + 1) / 6) + (d * z * ((6 * zz) + 7) / 24) + (d * d * ((24 * zz * zz) + (46 * zz) + 7) / 120)))))));
    }

    /// <summary>Two-sided chance of a t at least this large.</summary>
    public static double TwoSidedT(double t, double df) => double.IsFinite(t) ? 2 * StudentT.CDF(0, 1, df, -Math.Abs(t)) : 0;

    /// <summary>The t exceeded on either side with this chance in all.</summary>
    public static double CriticalT(double alpha, double df) => -StudentT.InvCDF(0, 1, df, alpha / 2);

    /// <summary>Chance of an F at least this large.</summary>
    public static double UpperF(double f, double df1, double df2) => f <= 0 ? 1 : double.IsFinite(f)
        ? MathNet.Numerics.SpecialFunctions.BetaRegularized(df2 / 2, df1 / 2, df2 / (df2 + (df1 * f))) : 0;

    /// <summary>Chance of a χ² at least this large.</summary>
    public static double UpperChi(double x, double df) =>
        x <= 0 ? 1 : MathNet.Numerics.SpecialFunctions.GammaUpperRegularized(df / 2, x / 2);
}
