using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>One moment of a run: hours, mg/L of oxygen, mg/L per h of oxygen use, and mg COD/L of bacteria, fungi, fast and slow
/// food.</summary>
public sealed record BrewMoment(
    double H,
    [property: System.Text.Json.Serialization.JsonPropertyName("DO")] double Oxygen,
    [property: System.Text.Json.Serialization.JsonPropertyName("OUR")] double OxygenUse,
    [property: System.Text.Json.Serialization.JsonPropertyName("Xb")] double Bacteria,
    [property: System.Text.Json.Serialization.JsonPropertyName("Xf")] double Fungi,
    [property: System.Text.Json.Serialization.JsonPropertyName("Sr")] double FastFood,
    [property: System.Text.Json.Serialization.JsonPropertyName("Sx")] double SlowFood);

/// <summary>What one run of the brew model says. Times in hours from the start; null where it never happens.</summary>
public sealed record BrewRunAnswer(
    double KLa20,
    [property: System.Text.Json.Serialization.JsonPropertyName("minDO")] double MinOxygen,
    double MinAtH,
    double? Below6AtH,
    [property: System.Text.Json.Serialization.JsonPropertyName("peakOUR")] double PeakUse,
    double? ReadyAtH,
    double FungalShare,
    double HoursBelow6,
    IReadOnlyList<BrewMoment> Series);

/// <summary>One run of the brew model: see docs/science/brew-model.md.</summary>
public static class BrewRun
{
    /// <summary>Oxygen that a brew must not fall below, mg/L.</summary>
    public const double Line = 6;

    internal const double Fine = 1e-6;

    private static readonly double[] SeriesHours = [0, 6, 12, 18, 24, 36, 48, 60, 72, 96, 120];

    internal static readonly WorkingLine ModelLine = new(
        "the brew model",
        "two guilds on fast and slow food with oxygen, in chemical oxygen demand",
        "solved by Dormand–Prince 5(4)",
        "a model, not a measurement",
        "shape of Henze et al. 2000; air by ASCE 2-06; warmth by Rosso et al. 1993; see docs/science/brew-model.md");

    /// <summary>kLa20 per h = SOTE/m · depth · air · 60 · 278.7 ÷ (volume · Cs(20 °C, sea)). ASCE 2-06.</summary>
    /// <remarks>A 19 L bucket, air stone at 0.3 m, 5 L/min: 7.2597 per h.</remarks>
    public static double KLa20(DiffuserKind diffuser, double depthM, double airLpm, double volumeL) =>
        diffuser.SotePerMetre * depthM * airLpm * 60 * BrewParameters.OxygenInAir / (volumeL * OxygenSaturation.MgPerLitre(20, 1));

    /// <summary>Runs the table's own brew: no spread.</summary>
    /// <param name="question">The brew. Worked: the 19 L bucket of reference/brew-cases.json at 20 °C dips to 5.72 mg/L at 11 h and is
    /// ready at 23.25 h.</param>
    /// <param name="seriesEveryH">Even steps of the series in hours; null for the reference's own hours.</param>
    /// <param name="member">Another brew than the table's, as a hidden truth to draw readings from; null for the table.</param>
    public static Ruling<BrewRunAnswer> Of(BrewQuestion question, double? seriesEveryH = null, Multipliers? member = null)
    {
        var (setup, refused) = question.MakeReady();
        if (setup is null)
        {
            return refused!;
        }

        var answer = Read(setup, member ?? Multipliers.Table, Fine, seriesEveryH);
        return Worked.Of(
            answer,
            "",
            Evidence.PractitionersRule,
            [
                new("air to water", "SOTE per m · depth · air · 60 · 278.7 ÷ (volume · Cs at 20 °C), summed over outlets",
                    AirFigures(question), $"kLa20 {Say.Number(answer.KLa20)} per h", "ASCE 2-06"),
                ModelLine,
                new("lowest oxygen", "least O over the hours asked for", $"{Say.Number(setup.Hours)} h",
                    $"{Say.Fixed(answer.MinOxygen, 1)} mg/L at {Say.Hours(answer.MinAtH)}", "the model"),
                new("ready", "first hour at 90 % of the most cells, air on", "over 120 h", answer.ReadyAtH is { } r
                    ? Say.Hours(r) : "not reached", "the model"),
            ]);
    }

    private static string AirFigures(BrewQuestion q)
    {
        string One(string? kind, double? depth, double? air) =>
            $"{Say.Number(Ingredients.Diffuser(kind)!.SotePerMetre)} · {Say.Number(depth ?? 0)} m · {Say.Number(air ?? 0)} L/min";
        var outlets = q.Outlets is { Count: > 0 } several ? string.Join(" + ", several.Select(o => One(o.Diffuser, o.DepthM, o.AirLpm)))
            : One(q.Diffuser, q.DepthM, q.AirLpm);
        return $"{outlets} ÷ {Say.Number(q.VolumeL ?? 0)} L";
    }

    /// <param name="setup">The brew.</param>
    /// <param name="member">Its multipliers.</param>
    /// <param name="tolerance">Of the solver.</param>
    /// <param name="everyH">Steps of the series in hours; null for the reference's own.</param>
    /// <param name="until">Hour up to which the figures count, by when it is ready; null for all the hours asked for. Only for a brew that
    /// stays on air.</param>
    internal static BrewRunAnswer Read(BrewSetup setup, in Multipliers member, double tolerance, double? everyH,
        Func<double?, double>? until = null)
    {
        var trace = BrewTrace.Mine;
        var steady = setup.WithAirOn();
        var alike = ReferenceEquals(steady, setup);
        var equations = alike ? setup.SolvePastPeak(member, tolerance, trace) : setup.Solve(member, setup.Hours, tolerance, trace);
        var counted = until is null || !alike ? setup.Hours : Math.Min(until(ReadyAt(trace, setup.Horizon)), setup.Hours);
        var (least, leastAt) = trace.Least((_, y) => y.O, counted);
        var (peak, _) = trace.Least((t, y) => -equations.OxygenUse(t, y), counted);
        var end = trace.At(counted);
        var below = least < Line ? trace.FirstPast(y => Line - y.O, counted) : null;
        var hours = everyH is { } e ? Enumerable.Range(0, (int)(setup.Hours / e) + 1)
            .Select(i => i * e) : SeriesHours.Where(h => h <= setup.Hours);
        var series = hours.Select(h => Moment(h, trace.At(h), equations)).ToList();
        var hoursBelow = below is null ? 0 : HoursBelow(trace, counted);
        if (!alike)
        {
            steady.SolvePastPeak(member, tolerance, trace);
        }

        return new BrewRunAnswer(
            setup.KLa20, least, leastAt, below, -peak, ReadyAt(trace, setup.Horizon), end.Cells > 0 ? end.F / end.Cells : 0,
            hoursBelow, series);
    }

    /// <summary>Least oxygen and the fungal share at the end of the hours asked for, to about the tolerance.</summary>
    internal static (double MinOxygen, double FungalShare) Lowest(BrewQuestion brew, in Multipliers member, double tolerance = 1e-3) =>
        Lowest(brew.MakeReady().Setup!, member, tolerance);

    /// <inheritdoc cref="Lowest(BrewQuestion, in Multipliers, double)"/>
    internal static (double MinOxygen, double FungalShare) Lowest(BrewSetup setup, in Multipliers member, double tolerance)
    {
        var trace = BrewTrace.Mine;
        setup.Solve(member, setup.Hours, tolerance, trace);
        var end = trace.At(setup.Hours);
        return (trace.Least((_, y) => y.O, setup.Hours).Value, end.Cells > 0 ? end.F / end.Cells : 0);
    }

    /// <summary>True where the table's own brew stays at <paramref name="line"/> mg/L or above over the hours asked for; a brew that falls
    /// below is not followed further.</summary>
    internal static bool Holds(BrewQuestion brew, double line, Multipliers? member = null) => Holds(brew.MakeReady().Setup!, line, member);

    /// <inheritdoc cref="Holds(BrewQuestion, double, Multipliers?)"/>
    internal static bool Holds(BrewSetup setup, double line, Multipliers? member)
    {
        var trace = BrewTrace.Mine;
        setup.Solve(member ?? Multipliers.Table, setup.Hours, 1e-3, trace, (_, y) => y.O < line);
        return trace.End >= setup.Hours && trace.Least((_, y) => y.O, setup.Hours).Value >= line;
    }

    /// <summary>When the table's brew is ready on air; null where nothing lives.</summary>
    internal static double? ReadyAt(BrewSetup setup, double tolerance)
    {
        var trace = BrewTrace.Mine;
        setup.WithAirOn().SolvePastPeak(Multipliers.Table, tolerance, trace);
        return ReadyAt(trace, setup.Horizon);
    }

    /// <summary>First hour at which B+F is 90 % of its most over the trace; null where nothing lives.</summary>
    internal static double? ReadyAt(BrewTrace trace, double horizon)
    {
        var most = 0.0;
        for (var step = 0; step < trace.Steps; step++)
        {
            most = Math.Max(most, Math.Max(trace.Inside(step, 0.5).Cells, trace.Inside(step, 1).Cells));
        }

        return most > 0 ? trace.FirstPast(y => y.Cells - (0.9 * most), horizon) : null;
    }

    private static double HoursBelow(BrewTrace trace, double until)
    {
        const double every = 0.05;
        var oxygen = new float[(int)Math.Round(until / every) + 1];
        trace.OxygenEvery(until / (oxygen.Length - 1), oxygen);
        var hours = 0.0;
        for (var i = 1; i < oxygen.Length; i++)
        {
            var (a, b) = (Line - oxygen[i - 1], Line - oxygen[i]);
            hours += until / (oxygen.Length - 1) * (a > 0 && b > 0 ? 1 : a <= 0 && b <= 0
                ? 0 : Math.Max(a, b) / (Math.Max(a, b) - Math.Min(a, b)));
        }

        return Math.Min(hours, until);
    }

    private static BrewMoment Moment(double h, in BrewState y, in BrewEquations eq) =>
        new(h, y.O, eq.OxygenUse(h, y), y.B, y.F, y.Sr, y.Sx);
}
