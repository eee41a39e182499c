using System.Runtime.CompilerServices;
using System.Runtime.Intrinsics;

namespace MudPie.Core.Brewing;

/// <summary>
/// Adaptive Dormand–Prince 5(4) with dense output (Dormand and Prince 1980; Hairer, Nørsett and Wanner 1993, II.5),
/// for the five states of a brew; where oxygen is all but gone it hands over to <see cref="StiffSolver"/>.
/// </summary>
internal static class BrewSolver
{
    private const double MaxStepH = 4;

    // Below so much oxygen, mg/L, the steps are watched; where five in a row are held short by how fast it is pulled back, and not by how
    // fast anything changes, the other solver takes over.
    private const double Scarce = 1;
    private const double Stiff = 2;

    // The dense output's last term.
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static BrewState Fourth(in BrewState k1, in BrewState k3, in BrewState k4, in BrewState k5, in BrewState k6,
        in BrewState k7) =>
        ((-12715105075.0 / 11282082432) * k1) + ((87487479700.0 / 32700410799) * k3) + ((-10690763975.0 / 1880347072) * k4)
            + ((701980252875.0 / 199316789632) * k5) + ((-1453857185.0 / 822651844) * k6) + ((69997945.0 / 29380423) * k7);

    /// <summary>Solves from <paramref name="fromH"/> to <paramref name="toH"/> with one setting of the air, adding steps to the
    /// trace.</summary>
    /// <returns>The state at the end.</returns>
    public static BrewState Solve(in BrewEquations eq, in BrewState start, double fromH, double toH, double kLa20, double tolerance,
        BrewTrace trace)
    {
        var y = start;
        var t = fromH;
        var h = Math.Min(0.02, toH - fromH);
        var k1 = eq.Slope(t, y, kLa20);
        var lastError = 1e-4;
        var tight = 0;
        while (t < toH)
        {
            h = Math.Min(h, MaxStepH);
            if (toH - t < h * 1.01)
            {
                h = toH - t;
            }

            var k2 = eq.Slope(t + (h * 0.2), y + ((h * 0.2) * k1), kLa20);
            var k3 = eq.Slope(t + (h * 0.3), y + (h * (((3.0 / 40) * k1) + ((9.0 / 40) * k2))), kLa20);
            var k4 = eq.Slope(t + (h * 0.8), y + (h * (((44.0 / 45) * k1) + ((-56.0 / 15) * k2) + ((32.0 / 9) * k3))), kLa20);
            var k5 = eq.Slope(
                t + (h * (8.0 / 9)),
                y + (h * (((19372.0 / 6561) * k1) + ((-25360.0 / 2187) * k2) + ((64448.0 / 6561) * k3) + ((-212.0 / 729) * k4))),
                kLa20);
            var before6 = y
                + (h * (((9017.0 / 3168) * k1) + ((-355.0 / 33) * k2) + ((46732.0 / 5247) * k3) + ((49.0 / 176) * k4)
                    + ((-5103.0 / 18656) * k5)));
            var k6 = eq.Slope(t + h, before6, kLa20);
            var next = y + (h * (((35.0 / 384) * k1) + ((500.0 / 1113) * k3) + ((125.0 / 192) * k4) + ((-2187.0 / 6784) * k5)
                + ((11.0 / 84) * k6)));
            var k7 = eq.Slope(t + h, next, kLa20);
            var off = h * (((71.0 / 57600) * k1) + ((-71.0 / 16695) * k3) + ((71.0 / 1920) * k4)
                + ((-17253.0 / 339200) * k5) + ((22.0 / 525) * k6) + ((-1.0 / 40) * k7));
            var error = Norm(off, y, next, tolerance);
            if (error <= 1)
            {
                var rise = next - y;
                var bend = (h * k1) - rise;
                trace.Add(t, h, y, rise, bend, rise - (h * k7) - bend, h * Fourth(k1, k3, k4, k5, k6, k7));
                t = toH - (t + h) < 1e-10 ? toH : t + h;
                y = next;
                k1 = k7;
                tight = y.O < Scarce && h * Pull(k7, k6, next, before6) > Stiff ? tight + 1 : 0;
                if (tight == 5 && t < toH)
                {
                    (y, t) = StiffSolver.Solve(eq, y, t, toH, kLa20, tolerance, trace);
                    k1 = eq.Slope(t, y, kLa20);
                    (tight, h, lastError) = (0, Math.Min(0.02, Math.Max(toH - t, 0)), 1e-4);
                    continue;
                }

                h *= Math.Clamp(0.9 * FifthRoot(error, lastError), 0.2, 5);
                lastError = Math.Max(error, 1e-4);
            }
            else
            {
                h *= Math.Max(0.2, 0.9 * Math.Pow(error, -0.2));
            }
        }

        return y;
    }

    // How fast oxygen is pulled back, per h, from two looks at one moment: Hairer and Wanner 1996, IV.2.
    private static double Pull(in BrewState slopeA, in BrewState slopeB, in BrewState a, in BrewState b) =>
        Math.Abs(a.O - b.O) is > 1e-14 and var apart ? Math.Abs(slopeA.O - slopeB.O) / apart : 0;

    // The controller of Hairer et al.: error^−(0.2 − 0.75·0.04) · last^0.04.
    private static double FifthRoot(double error, double lastError) =>
        error < 1e-12 ? 5 : Math.Pow(error, -0.17) * Math.Pow(lastError, 0.04);

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    internal static double Norm(in BrewState off, in BrewState a, in BrewState b, double tolerance)
    {
        var scale = (Vector256.Max(Vector256.Abs(a.Cod), Vector256.Abs(b.Cod)) + Vector256<double>.One) * tolerance;
        var part = off.Cod / scale;
        var oxygen = off.O / ((Math.Max(Math.Abs(a.O), Math.Abs(b.O)) + 0.1) * tolerance);
        return Math.Sqrt((Vector256.Sum(part * part) + (oxygen * oxygen)) / 5);
    }
}
