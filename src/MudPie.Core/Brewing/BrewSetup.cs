using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>A brew question made ready for the solver: all in mg/L and hours.</summary>
internal sealed record BrewSetup
{
    /// <summary>Hours that were asked for.</summary>
    public required double Hours { get; init; }

    /// <summary>Air on as planned, per h; see <see cref="BrewRun.KLa20"/>.</summary>
    public required double KLa20 { get; init; }

    /// <summary>Hour at which the air stops; infinity when it does not.</summary>
    public required double AirOffAtH { get; init; }

    /// <summary>Other strengths of air from hours on, per h, in rising order of hours; below nought the air is off from there.</summary>
    public IReadOnlyList<(double AtH, double KLa20)> AirChanges { get; init; } = [];

    /// <summary>Fast and slow food from sources, mg COD/L.</summary>
    public required (double Fast, double Slow) FromSources { get; init; }

    /// <summary>Fast and slow food fed, mg COD/L, at hours in rising order; those at 0 are there from the start.</summary>
    public required IReadOnlyList<(double AtH, double Fast, double Slow)> Feeds { get; init; }

    /// <summary>What the sources give up, mg COD/L.</summary>
    public required (double B, double F) Source { get; init; }

    /// <summary>Warmth over the run.</summary>
    public required BrewClimate Climate { get; init; }

    /// <summary>Hours solved to find when it is ready.</summary>
    public double Horizon => Math.Max(120, Hours);

    /// <summary>The same with the air never failing: neither off for good, nor off for a while.</summary>
    public BrewSetup WithAirOn() => double.IsPositiveInfinity(AirOffAtH) && !AirChanges.Any(c => c.KLa20 <= 0)
        ? this
        : this with { AirOffAtH = double.PositiveInfinity, AirChanges = [.. AirChanges.Where(c => c.KLa20 > 0)] };

    /// <summary>Solves one member over the hours asked for, and on until its cells have seen their most: past that, what food is left can't
    /// lift them again.</summary>
    public BrewEquations SolvePastPeak(in Multipliers m, double tolerance, BrewTrace trace)
    {
        // A yield is below 1, so cells + food bounds all cells to come; the source has given up all it has by 24 h.
        var (most, from) = (0.0, Math.Max(Math.Max(Hours, 24), Feeds.Count > 0 ? Feeds[^1].AtH : 0));
        return Solve(m, Horizon, tolerance, trace, (t, y) =>
        {
            most = Math.Max(most, y.Cells);
            return t > from && y.Cells + y.Sr + y.Sx < most;
        });
    }

    /// <summary>Solves one member to <paramref name="toH"/>, or until <paramref name="enough"/> says so, asked every few hours.</summary>
    public BrewEquations Solve(in Multipliers m, double toH, double tolerance, BrewTrace trace,
        Func<double, BrewState, bool>? enough = null)
    {
        var p = new BrewParameters(m);
        var equations = new BrewEquations(p, Climate, Source.B * p.Source, Source.F * p.Source);
        var atStart = Feeds.Where(f => f.AtH <= 0).ToList();
        var written = FromSources.Fast + FromSources.Slow + Feeds.Sum(f => f.Fast + f.Slow);
        var y = BrewState.Of(
            FromSources.Fast + (p.Food * atStart.Sum(f => f.Fast)),
            FromSources.Slow + (p.Food * atStart.Sum(f => f.Slow)) + (p.Hidden * written),
            BrewParameters.FreeAtStart * Source.B * p.Source,
            BrewParameters.FreeAtStart * Source.F * p.Source,
            Climate.At(0).OxygenFull);
        Patience.Check();
        trace.Clear();
        var t = 0.0;
        foreach (var stop in Stops(toH, enough is not null))
        {
            if (stop > t)
            {
                y = BrewSolver.Solve(equations, y, t, stop, AirAt(t), tolerance, trace);
                t = stop;
            }

            if (enough is not null && enough(t, y))
            {
                break;
            }

            foreach (var feed in Feeds)
            {
                if (feed.AtH == t && t > 0)
                {
                    y += BrewState.Of(p.Food * feed.Fast, p.Food * feed.Slow, 0, 0, 0);
                }
            }
        }

        return equations;
    }

    /// <summary>Solves on from a state with the air off, until <paramref name="hours"/> later.</summary>
    public static void SolveStill(in BrewEquations eq, in BrewState from, double atH, double hours, double tolerance, BrewTrace trace)
    {
        trace.Clear();
        BrewSolver.Solve(eq, from, atH, atH + hours, -1, tolerance, trace);
    }

    private double AirAt(double t)
    {
        if (t >= AirOffAtH)
        {
            return -1;
        }

        var air = KLa20;
        foreach (var change in AirChanges)
        {
            if (t >= change.AtH)
            {
                air = change.KLa20;
            }
        }

        return air;
    }

    private List<double> Stops(double toH, bool asked)
    {
        var stops = new List<double>(24) { toH };
        void Stop(double at)
        {
            if (at > 0 && at < toH && !stops.Contains(at))
            {
                stops.Add(at);
            }
        }

        foreach (var feed in Feeds)
        {
            Stop(feed.AtH);
        }

        Stop(AirOffAtH);
        foreach (var change in AirChanges)
        {
            Stop(change.AtH);
        }

        for (var at = 4.0; asked && at < toH; at += at < Hours ? 4 : 8)
        {
            Stop(at);
        }

        stops.Sort();
        return stops;
    }
}
