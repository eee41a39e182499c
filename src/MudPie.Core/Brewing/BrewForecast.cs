using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>An oxygen reading at an hour of the brew.</summary>
public sealed record OxygenAt
{
    /// <summary>Hours from the start, 0 to the hours asked for.</summary>
    public double H { get; init; }

    /// <summary>Dissolved oxygen, 0 to 20 mg/L.</summary>
    public double MgPerL { get; init; }
}

/// <summary>A brew, how many members to draw, and what has been read so far.</summary>
public sealed record ForecastQuestion : BrewQuestion
{
    /// <summary>An empty question.</summary>
    public ForecastQuestion()
    {
    }

    /// <summary>A question about a brew.</summary>
    public ForecastQuestion(BrewQuestion brew)
        : base(brew)
    {
    }

    /// <summary>Members of the ensemble, 20 to 5000; 1000 when not given.</summary>
    public int? Members { get; init; }

    /// <summary>Seed of the draw; 1 when not given. The same question gives the same answer.</summary>
    public long? Seed { get; init; }

    /// <summary>Oxygen readings, taken as true to ±0.3 mg/L.</summary>
    public IReadOnlyList<OxygenAt>? Readings { get; init; }

    /// <summary>Hour at which it is meant to be used; the hours asked for when not given.</summary>
    public double? UseAtH { get; init; }

    /// <summary>Hour at which the grace after the air stops is asked for; the hour of use when not given.</summary>
    public double? StopAtH { get; init; }

    /// <summary>Hours between points of the band; 0.5 when not given.</summary>
    public double? EveryH { get; init; }

    /// <summary>What earlier brews in this vessel and of this recipe have taught; null for the table.</summary>
    public Prior? Prior { get; init; }
}

/// <summary>Oxygen at an hour of the brew, as forecast: h from the start, mg/L.</summary>
public sealed record OxygenPoint(double H, double MgPerL)
{
    /// <summary>The figure at an hour, drawn straight between evenly spaced points; null outside them.</summary>
    /// <remarks>8 at 2 h and 7 at 2.5 h: 7.5 at 2.25 h.</remarks>
    internal static double? At(IReadOnlyList<OxygenPoint> series, double h)
    {
        if (series.Count < 2 || h < series[0].H || h > series[^1].H)
        {
            return null;
        }

        var every = series[1].H - series[0].H;
        var i = Math.Min((int)((h - series[0].H) / every), series.Count - 2);
        return series[i].MgPerL + ((h - series[i].H) / (series[i + 1].H - series[i].H) * (series[i + 1].MgPerL - series[i].MgPerL));
    }
}

/// <summary>Low, middle and high of a figure: 10 %, 50 % and 90 % of the ensemble. Null where that share never gets there.</summary>
public sealed record Span80(double? Low10, double? Median, double? High90);

/// <summary>What the ensemble says.</summary>
/// <param name="Median">Median oxygen.</param>
/// <param name="Low10">A tenth of the members are below this.</param>
/// <param name="High90">A tenth are above.</param>
/// <param name="ProbabilityBelow6">Share of members that fall below 6 mg/L before use.</param>
/// <param name="Below6AtH">When they first do; null where they do not.</param>
/// <param name="ReadyAtH">When it is ready, by the rule of <see cref="BrewRun"/>.</param>
/// <param name="GraceMinutesTo6">Median minutes from the air stopping (at airOffAtH, else at use) to 6 mg/L; 0 if it is below
/// already.</param>
/// <param name="GraceMinutesTo2">The same to 2 mg/L.</param>
/// <param name="EffectiveMembers">How many members still count after the readings.</param>
/// <param name="Trusted">False where no member comes near the readings: then the model is not to be trusted here.</param>
/// <param name="Learnt">Middle of each multiplier after the readings, in the order of <see cref="Multipliers.Names"/>.</param>
public sealed record ForecastAnswer(
    IReadOnlyList<OxygenPoint> Median,
    IReadOnlyList<OxygenPoint> Low10,
    IReadOnlyList<OxygenPoint> High90,
    double ProbabilityBelow6,
    Span80 Below6AtH,
    Span80 ReadyAtH,
    double GraceMinutesTo6,
    double GraceMinutesTo2,
    double EffectiveMembers,
    bool Trusted,
    IReadOnlyList<double> Learnt)
{
    /// <summary>Why the model is not trusted here; null where it is. The band then follows the readings' own trend, and widens.</summary>
    public string? Doubt { get; init; }

    /// <summary>What the instrument is thought to read above the truth, mg/L; drawn toward 0.</summary>
    public double OffsetMgPerL { get; init; }

    /// <summary>Multipliers of the member in the middle by how long it keeps once the air stops at stopAtH.</summary>
    [System.Text.Json.Serialization.JsonIgnore]
    public IReadOnlyList<double> TypicalAtStop { get; init; } = [];

    /// <summary>The same where it stops at useAtH.</summary>
    [System.Text.Json.Serialization.JsonIgnore]
    public IReadOnlyList<double> TypicalAtUse { get; init; } = [];
}

/// <summary>The brew forecast: an ensemble of brews, re-weighted by what has been read.</summary>
public static class BrewForecast
{
    /// <summary>Standard error of an oxygen reading, mg/L.</summary>
    public const double ReadingSigma = 0.3;

    private const double Quick = 1e-3;
    private const double GraceHours = 12;

    /// <summary>Draws, solves and sums up. Worked: the reference bucket at 20 °C has a median low near 5.7 mg/L and falls below 6 in about
    /// six brews of ten.</summary>
    public static Ruling<ForecastAnswer> Of(ForecastQuestion question)
    {
        var (setup, refused) = question.MakeReady();
        var checks = new Checks();
        if (refused is not null)
        {
            checks.Add(refused);
        }

        var hours = setup?.Hours ?? 240;
        var members = checks.Range("members", question.Members ?? 1000, 20, 5000, "");
        var use = checks.Range("useAtH", question.UseAtH ?? hours, 0, hours, "h");
        var stop = checks.Range("stopAtH", question.StopAtH ?? use, 0, hours, "h");
        var every = checks.Range("everyH", question.EveryH ?? 0.5, 0.05, 6, "h");
        var readings = question.Readings ?? [];
        for (var i = 0; i < readings.Count; i++)
        {
            checks.Range($"readings[{i}].h", readings[i].H, 0, hours, "h", "A reading lies inside the hours asked for.");
            checks.Range($"readings[{i}].mgPerL", readings[i].MgPerL, BrewReadings.Oxygen.Low, BrewReadings.Oxygen.High, "mg/L");
        }

        if (question.Prior is { } p && !p.IsSound)
        {
            checks.Add("prior", "What was learnt is not in a form that can be read.",
                $"Give {Multipliers.Spread.Count} logarithms from -3 to 3 and as many shares from 0.1 to 1.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var answer = Solve(setup!, (int)members, question.Seed ?? 1, question.Prior, readings, use, stop, every);
        return Worked.Of(
            answer,
            "",
            readings.Count == 0 ? Evidence.PractitionersRule : Evidence.MeasuredHere,
            [
                BrewRun.ModelLine,
                new("members", "drawn from the spreads of the parameters", $"{members:0} brews, seed {question.Seed ?? 1}",
                    "80 % lie in the band", "docs/science/brew-model.md"),
                new("readings", "fit = exp(−½ Σ((model + offset − read) ÷ 0.3)²), offset 0 ± 0.25 mg/L",
                    $"{readings.Count} oxygen readings", answer.Doubt ?? $"{Say.Number(answer.EffectiveMembers)} members still count",
                    "taken in by degrees, members drawn again and moved; Del Moral, Doucet and Jasra 2006"),
                new("below 6 before use", "members below 6 ÷ members", $"up to {Say.Hours(use)}",
                    $"{Say.Number(answer.ProbabilityBelow6 * 100, 2)} %", "the ensemble"),
            ]);
    }

    private static ForecastAnswer Solve(BrewSetup setup, int members, long seed, Prior? prior, IReadOnlyList<OxygenAt> readings, double use,
        double stop, double every)
    {
        var learnt = Learn(setup, Ensemble.Draw(members, seed, prior), seed, readings);
        var ensemble = learnt.Members;
        var runs = RunAll(setup, ensemble, stop, use, every);
        var points = runs[0].Oxygen.Length;
        var low = new OxygenPoint[points];
        var median = new OxygenPoint[points];
        var high = new OxygenPoint[points];
        Parallel.For(0, 2, half =>
        {
            var sorted = new double[members];
            var weights = new double[members];
            for (var p = half; p < points; p += 2)
            {
                for (var i = 0; i < members; i++)
                {
                    sorted[i] = runs[i].Oxygen[p];
                    weights[i] = ensemble.Weights[i];
                }

                Array.Sort(sorted, weights);
                OxygenPoint At(double share) => new(p * every, Math.Max(Ensemble.AtShare(sorted, weights, share), 0));
                (low[p], median[p], high[p]) = (At(0.1), At(0.5), At(0.9));
            }
        });

        var answer = new ForecastAnswer(
            median,
            low,
            high,
            Enumerable.Range(0, members).Sum(i => runs[i].Below6 <= use ? ensemble.Weights[i] : 0),
            Spread(ensemble, [.. runs.Select(r => r.Below6 <= use ? r.Below6 : double.PositiveInfinity)]),
            Spread(ensemble, [.. runs.Select(r => r.Ready)]),
            Spread(ensemble, [.. runs.Select(r => r.GraceTo6)]).Median ?? GraceHours * 60,
            Spread(ensemble, [.. runs.Select(r => r.GraceTo2)]).Median ?? GraceHours * 60,
            ensemble.EffectiveSize,
            learnt.Doubt is null,
            [.. ensemble.Mean().Take(Multipliers.Spread.Count).Select(Math.Exp)]) {
            Doubt = learnt.Doubt,
            TypicalAtStop = Typical(ensemble, [.. runs.Select(r => r.GraceTo6)]),
            TypicalAtUse = Typical(ensemble, [.. runs.Select(r => r.GraceAtUse)]),
            OffsetMgPerL = learnt.Offset,
        };
        return learnt.Doubt is null ? answer : ReadingsTrend.Over(answer, readings, setup, use);
    }

    /// <summary>The multipliers of the member in the middle by how long it keeps without air: what is asked of "this brew" afterwards is
    /// asked of that one.</summary>
    private static double[] Typical(Ensemble ensemble, double[] grace)
    {
        var order = Enumerable.Range(0, grace.Length).OrderBy(i => grace[i]).ThenBy(i => i).ToArray();
        var (half, sum) = (ensemble.Weights.Sum() / 2, 0.0);
        var middle = order.First(i => (sum += ensemble.Weights[i]) >= half);
        return [.. ensemble.Logs[middle].Take(Multipliers.Spread.Count).Select(Math.Exp)];
    }

    /// <summary>Members that the readings leave standing; the whole draw where there are none. Only the hours up to the last reading are
    /// solved while learning.</summary>
    private static (Ensemble Members, string? Doubt, double Offset) Learn(BrewSetup setup, Ensemble drawn, long seed,
        IReadOnlyList<OxygenAt> readings)
    {
        if (readings.Count == 0)
        {
            return (drawn, null, 0);
        }

        var last = Math.Max(readings.Max(r => r.H), 0.05);
        var ordered = readings.OrderBy(r => r.H).ToArray();
        double[] Residuals(double[] logs)
        {
            var trace = BrewTrace.Mine;
            setup.Solve(Multipliers.FromLogs(logs), last, Quick, trace);
            return [.. ordered.Select(r => r.MgPerL - trace.At(r.H).O)];
        }

        var (members, misfits) = drawn.Tempered(logs => ForecastFit.Misfit(Residuals(logs)), seed, ForecastFit.Weight);
        var best = Residuals(members.Logs[Array.IndexOf(misfits, misfits.Min())]);
        return (members, ForecastFit.Doubt(best, misfits.Min(), members.Pull()), ForecastFit.Offset(best));
    }

    private static MemberRun[] RunAll(BrewSetup setup, Ensemble ensemble, double stopAt, double useAt, double every)
    {
        var runs = new MemberRun[ensemble.Count];
        Parallel.For(0, ensemble.Count, () => (new BrewTrace(), new BrewTrace()), (i, _, traces) =>
        {
            runs[i] = RunOne(setup, Multipliers.FromLogs(ensemble.Logs[i]), stopAt, useAt, every, traces.Item1, traces.Item2);
            return traces;
        }, _ => { });
        return runs;
    }

    private static MemberRun RunOne(
        BrewSetup setup, in Multipliers member, double stopAt, double useAt, double every, BrewTrace trace, BrewTrace still)
    {
        var steady = setup.WithAirOn();
        var ready = double.PositiveInfinity;
        if (!ReferenceEquals(steady, setup))
        {
            steady.SolvePastPeak(member, Quick, trace);
            ready = BrewRun.ReadyAt(trace, setup.Horizon) ?? ready;
        }

        var equations = ReferenceEquals(steady, setup) ? setup.SolvePastPeak(member, Quick, trace) : setup.Solve(member, setup.Hours,
            Quick, trace);
        if (ReferenceEquals(steady, setup))
        {
            ready = BrewRun.ReadyAt(trace, setup.Horizon) ?? ready;
        }

        var oxygen = new float[(int)((setup.Hours / every) + 1e-9) + 1];
        trace.OxygenEvery(every, oxygen);
        var below = trace.FirstPast(static y => BrewRun.Line - y.O, setup.Hours) ?? double.PositiveInfinity;
        var stop = Math.Min(setup.AirOffAtH, stopAt);
        BrewSetup.SolveStill(equations, trace.At(stop), stop, GraceHours, Quick, still);
        var (six, two) = (AfterAir.MinutesTo(still, 6) ?? double.PositiveInfinity, AfterAir.MinutesTo(still, 2) ?? double.PositiveInfinity);
        if (useAt <= stop + 0.05)
        {
            return new MemberRun(oxygen, below, ready, six, two, six);
        }

        BrewSetup.SolveStill(equations, trace.At(useAt), useAt, GraceHours, Quick, still);
        return new MemberRun(oxygen, below, ready, six, two, AfterAir.MinutesTo(still, 6) ?? double.PositiveInfinity);
    }

    private static Span80 Spread(Ensemble ensemble, double[] values)
    {
        var sorted = new double[values.Length];
        var weights = new double[values.Length];
        double? At(double share) => ensemble.Quantile(values, share, sorted, weights) is var q && double.IsFinite(q) ? q : null;
        return new Span80(At(0.1), At(0.5), At(0.9));
    }

    private readonly record struct MemberRun(float[] Oxygen, double Below6, double Ready, double GraceTo6, double GraceTo2,
        double GraceAtUse);
}
