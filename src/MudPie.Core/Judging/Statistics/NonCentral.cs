using MathNet.Numerics;
using MathNet.Numerics.Distributions;

namespace MudPie.Core.Judging.Statistics;

/// <summary>t and F when there is something to find: what a planned trial's power is read from.</summary>
public static class NonCentral
{
    /// <summary>P(T ≤ t) of the non-central t: (Z + δ) / √(χ²ν / ν).</summary>
    /// <param name="t">Any finite value.</param>
    /// <param name="df">More than 0.</param>
    /// <param name="delta">Non-centrality.</param>
    /// <remarks>= ∫ f(s) Φ(t s − δ) ds. At t = 2, 10 degrees of freedom, δ = 1: 0.796.</remarks>
    public static double T(double t, double df, double delta) =>
        Math.Clamp(Quadrature.OverScale(Math.Max(df, 0.2), s => Distribution.Phi((t * s) - delta)), 0, 1);

    /// <summary>P(F ≤ f) of the non-central F: Σ Poisson(j; λ/2) · I_x(ν₁/2 + j, ν₂/2), x = ν₁f / (ν₁f + ν₂).</summary>
    /// <param name="f">0 or more.</param>
    /// <param name="df1">Of the treatments.</param>
    /// <param name="df2">Of the noise.</param>
    /// <param name="lambda">Non-centrality, 0 to 10⁴.</param>
    /// <remarks>Johnson, Kotz and Balakrishnan 1995. λ = 0 is the ordinary F.</remarks>
    public static double F(double f, double df1, double df2, double lambda)
    {
        if (f <= 0)
        {
            return 0;
        }

        var x = df1 * f / ((df1 * f) + df2);
        if (lambda <= 0)
        {
            return SpecialFunctions.BetaRegularized(df1 / 2, df2 / 2, x);
        }

        var (middle, spread) = (lambda / 2, 12 * Math.Sqrt((lambda / 2) + 4));
        var sum = 0.0;
        for (var j = Math.Max(0, (int)(middle - spread)); j <= middle + spread; j++)
        {
            sum += Poisson.PMF(middle, j) * SpecialFunctions.BetaRegularized((df1 / 2) + j, df2 / 2, x);
        }

        return Math.Clamp(sum, 0, 1);
    }
}
