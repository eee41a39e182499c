using System.Runtime.Intrinsics;

namespace MudPie.Core.Brewing;

/// <summary>
/// Rosenbrock method of order 4(3), stiffly accurate, with dense output (RODAS: Hairer and Wanner 1996, IV.7), for a brew whose oxygen is
/// all but gone.
/// </summary>
/// <remarks>
/// Where oxygen is scarce, what uses it follows it within seconds while food and cells take hours: an explicit method would have to step by
/// the seconds, some thousand times an hour.
/// This one steps by the hours; the error is held to the same tolerance. The Jacobian is taken by differences, once a step.
/// </remarks>
internal static class StiffSolver
{
    private const int N = 5;
    private const double Gamma = 0.25;
    private const double MaxStepH = 4;

    /// <summary>Oxygen, mg/L, at which the fast solver takes over again.</summary>
    public const double Enough = 1.2;

    private static readonly double[][] A =
    [
        [],
        [1.544],
        [0.9466785280815826, 0.2557011698983284],
        [3.314825187068521, 2.896124015972201, 0.9986419139977817],
        [1.221224509226641, 6.019134481288629, 12.53708332932087, -0.6878860361058950],
    ];

    private static readonly double[][] C =
    [
        [],
        [-5.6688],
        [-2.430093356833875, -0.2063599157091915],
        [-0.1073529058151375, -9.594562251023355, -20.47028614809616],
        [7.496443313967647, -10.24680431464352, -33.99990352819905, 11.70890893206160],
        [8.083246795921522, -7.981132988064893, -31.52159432874371, 16.31930543123136, -6.058818238834054],
    ];

    private static readonly double[] At = [0, 0.386, 0.21, 0.63, 1, 1];
    private static readonly double[] OfTime = [0.25, -0.1043, 0.1035, -0.0362, 0, 0];
    private static readonly double[] Dense3 = [10.12623508344586, -7.487995877610167, -34.80091861555747, -7.992771707568823,
        1.025137723295662];
    private static readonly double[] Dense4 = [-0.6762803392801253, 6.087714651680015, 16.43084320892478, 24.76722511418386,
        -6.594389125716872];

    /// <summary>Solves from <paramref name="t"/> on, adding steps to the trace, until <paramref name="toH"/> or until oxygen has come back
    /// to <see cref="Enough"/>.</summary>
    /// <returns>The state and the hour reached.</returns>
    public static (BrewState Y, double T) Solve(in BrewEquations eq, BrewState y, double t, double toH, double kLa20, double tolerance,
        BrewTrace trace)
    {
        var h = Math.Min(0.02, toH - t);
        Span<double> matrix = stackalloc double[N * N];
        Span<int> order = stackalloc int[N];
        Span<BrewState> k = new BrewState[6];
        while (t < toH)
        {
            h = Math.Min(h, MaxStepH);
            if (toH - t < h * 1.01)
            {
                h = toH - t;
            }

            var f0 = eq.Slope(t, y, kLa20);
            var byTime = ByTime(eq, t, y, f0, kLa20, Math.Max(toH - t, 1e-6));
            Jacobian(eq, t, y, f0, kLa20, matrix);
            Factor(matrix, order, 1 / (h * Gamma));
            var inner = Stages(eq, t, y, h, f0, byTime, kLa20, matrix, order, k);
            var next = inner + k[5];
            var error = BrewSolver.Norm(k[5], y, next, tolerance);
            if (double.IsNaN(error))
            {
                h *= 0.2;
                continue;
            }

            if (error <= 1)
            {
                var (third, fourth) = (default(BrewState), default(BrewState));
                for (var j = 0; j < 5; j++)
                {
                    third += Dense3[j] * k[j];
                    fourth += Dense4[j] * k[j];
                }

                trace.Add(t, h, y, next - y, third, fourth, default);
                t = toH - (t + h) < 1e-10 ? toH : t + h;
                y = next;
                if (y.O > Enough)
                {
                    return (y, t);
                }
            }

            h *= Math.Clamp(0.9 * Math.Pow(Math.Max(error, 1e-9), -0.25), 0.2, 5);
        }

        return (y, t);
    }

    /// <summary>The six stages of a step; the last one's inner value.</summary>
    private static BrewState Stages(in BrewEquations eq, double t, in BrewState y, double h, in BrewState f0, in BrewState byTime,
        double kLa20, ReadOnlySpan<double> matrix, ReadOnlySpan<int> order, Span<BrewState> k)
    {
        var inner = y;
        for (var stage = 0; stage < 6; stage++)
        {
            if (stage is > 0 and < 5)
            {
                inner = y;
                for (var j = 0; j < stage; j++)
                {
                    inner += A[stage][j] * k[j];
                }
            }
            else if (stage == 5)
            {
                inner += k[4];
            }

            var right = (stage == 0 ? f0 : eq.Slope(t + (At[stage] * h), inner, kLa20)) + ((h * OfTime[stage]) * byTime);
            for (var j = 0; j < stage; j++)
            {
                right += (C[stage][j] / h) * k[j];
            }

            k[stage] = Solve(matrix, order, right);
        }

        return inner;
    }

    private static BrewState ByTime(in BrewEquations eq, double t, in BrewState y, in BrewState f0, double kLa20, double left)
    {
        var step = Math.Min(1e-5, left);
        return (1 / step) * (eq.Slope(t + step, y, kLa20) - f0);
    }

    private static void Jacobian(in BrewEquations eq, double t, in BrewState y, in BrewState f0, double kLa20, Span<double> matrix)
    {
        for (var column = 0; column < N; column++)
        {
            var step = Math.Sqrt(1e-16 * Math.Max(1e-5, Math.Abs(Of(y, column))));
            var slope = (1 / step) * (eq.Slope(t, Moved(y, column, step), kLa20) - f0);
            for (var row = 0; row < N; row++)
            {
                matrix[(row * N) + column] = Of(slope, row);
            }
        }
    }

    private static double Of(in BrewState y, int i) => i < 4 ? y.Cod.GetElement(i) : y.O;

    private static BrewState Moved(in BrewState y, int i, double by) => i < 4 ? new(y.Cod.WithElement(i, y.Cod.GetElement(i) + by), y.O)
        : new(y.Cod, y.O + by);

    /// <summary>Factors (shift·I − J) in place by rows, the largest of each column first.</summary>
    private static void Factor(Span<double> m, Span<int> order, double shift)
    {
        for (var i = 0; i < N * N; i++)
        {
            m[i] = (i / N == i % N ? shift : 0) - m[i];
        }

        for (var column = 0; column < N; column++)
        {
            var best = column;
            for (var row = column + 1; row < N; row++)
            {
                best = Math.Abs(m[(row * N) + column]) > Math.Abs(m[(best * N) + column]) ? row : best;
            }

            order[column] = best;
            for (var j = 0; j < N; j++)
            {
                (m[(best * N) + j], m[(column * N) + j]) = (m[(column * N) + j], m[(best * N) + j]);
            }

            for (var row = column + 1; row < N; row++)
            {
                var share = m[(row * N) + column] /= m[(column * N) + column];
                for (var j = column + 1; j < N; j++)
                {
                    m[(row * N) + j] -= share * m[(column * N) + j];
                }
            }
        }
    }

    private static BrewState Solve(ReadOnlySpan<double> m, ReadOnlySpan<int> order, in BrewState right)
    {
        Span<double> x = [right.Sr, right.Sx, right.B, right.F, right.O];
        for (var i = 0; i < N; i++)
        {
            (x[order[i]], x[i]) = (x[i], x[order[i]]);
        }

        for (var row = 1; row < N; row++)
        {
            for (var j = 0; j < row; j++)
            {
                x[row] -= m[(row * N) + j] * x[j];
            }
        }

        for (var row = N - 1; row >= 0; row--)
        {
            for (var j = row + 1; j < N; j++)
            {
                x[row] -= m[(row * N) + j] * x[j];
            }

            x[row] /= m[(row * N) + row];
        }

        return BrewState.Of(x[0], x[1], x[2], x[3], x[4]);
    }
}
