using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>A battery pump for the road.</summary>
public sealed record BatteryPump
{
    /// <summary>L/min at the depth of the can it hangs in, 0.1 to 200.</summary>
    public double? AirLpm { get; init; }

    /// <summary>Hours its battery lasts, 0.1 to 72.</summary>
    public double? Hours { get; init; }

    /// <summary>A kind of <see cref="Ingredients.Diffusers"/>; an air stone when not given.</summary>
    public string? Diffuser { get; init; }

    /// <summary>A pump of the kit that runs on a battery, hung 0.3 m deep with an air stone.</summary>
    /// <remarks>6 L/min of 20 kPa: 4.22 L/min arrive.</remarks>
    public static BatteryPump OfKit(LitresPerMinute open, Kilopascals shutOff, double? hours) => new() {
        AirLpm = Air.AtDepth(open, shutOff, new Metres(0.3), new Kilopascals(3)).Value, Hours = hours
    };
}

/// <summary>What one school says of holding.</summary>
public sealed record HoldRule(string Id, string Name, double? Minutes, string Says);

/// <summary>How long a brew keeps once its air stops.</summary>
/// <param name="MinutesTo6">Minutes to 6 mg/L; null where it stays above for two days.</param>
/// <param name="MinutesTo2">Minutes to 2 mg/L.</param>
/// <param name="UseMgPerLPerH">Oxygen that it was using when the air stopped, mg/L per h.</param>
/// <param name="WithBatteryTo6">Minutes to 6 with the battery pump running from the stop; null where there is none or it stays
/// above.</param>
/// <param name="BatteryHolds">The battery pump alone keeps it at 6 while it lasts.</param>
/// <param name="HoldMinutes">The house hold: minutes to 6, with the battery pump if there is one, never over 8 h.</param>
/// <param name="Rules">Each school's rule beside it.</param>
/// <param name="Sentence">In a sentence.</param>
public sealed record AfterAirAnswer(
    double? MinutesTo6, double? MinutesTo2, double UseMgPerLPerH, double? WithBatteryTo6, bool BatteryHolds, double HoldMinutes,
    IReadOnlyList<HoldRule> Rules, string Sentence);

/// <summary>After the pump stops.</summary>
public static class AfterAir
{
    internal const double Horizon = 48;
    private const double Fine = 1e-6, Coarse = 1e-4; // of a forecast's middle, minutes are told and not seconds

    /// <summary>Minutes to 6 and 2 mg/L from this brew's own oxygen use.</summary>
    /// <param name="brew">The brew.</param>
    /// <param name="stopAtH">Hour at which the air stops, 0 to its hours.</param>
    /// <param name="battery">A battery pump; null for none.</param>
    /// <param name="learnt">Multipliers learnt; null for the table.</param>
    /// <param name="oxygenThen">What the vessel holds as the air stops, mg/L, where that is known better than by one run: the one reading
    /// of now. Null for the run's own.</param>
    /// <param name="hold">The school of the hold that was chosen.</param>
    /// <param name="tolerance">Of the solver, mg/L; 1e-6 when not given.</param>
    /// <remarks>The reference bucket at 20 °C, stopped at its thickest, is under 6 mg/L in about half an hour.</remarks>
    public static Ruling<AfterAirAnswer> Of(BrewQuestion brew, double? stopAtH, BatteryPump? battery = null,
        IReadOnlyList<double>? learnt = null, double? oxygenThen = null, string hold = "oxygen", double tolerance = Fine)
    {
        var checks = new Checks();
        var (setup, refused) = brew.MakeReady();
        if (refused is not null)
        {
            checks.Add(refused);
        }

        var stop = checks.Range("stopAtH", stopAtH, 0, setup?.Hours ?? 240, "h", "It stops within the hours asked for.");
        var kind = Ingredients.Diffuser(battery?.Diffuser ?? "airStone");
        if (battery is not null)
        {
            checks.Range("battery.airLpm", battery.AirLpm, 0.1, 200, "L/min");
            checks.Range("battery.hours", battery.Hours, 0.1, 72, "h");
            if (kind is null)
            {
                checks.Add("battery.diffuser", $"“{battery.Diffuser}” is not a diffuser that the model knows.", "Use airStone.");
            }
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var member = BrewBackwards.MemberOf(learnt);
        var trace = new BrewTrace();
        var equations = setup!.Solve(member, Math.Max(stop, 0.05), tolerance, trace);
        var at = trace.At(trace.End);
        at = oxygenThen is { } o ? BrewState.Of(at.Sr, at.Sx, at.B, at.F, o) : at;
        var use = equations.OxygenUse(trace.End, at);
        var still = new BrewTrace();
        BrewSetup.SolveStill(equations, at, trace.End, Horizon, tolerance, still);
        var (six, two) = (MinutesTo(still, 6), MinutesTo(still, 2));
        var (batterySix, holds) = battery is null ? (null, false) : OnBattery(setup, member, stop, oxygenThen, battery, kind!,
            brew.VolumeL!.Value, brew.DepthM ?? brew.Outlets?.Max(o => o.DepthM) ?? 0.3, tolerance);
        var best = battery is null ? six ?? double.PositiveInfinity : batterySix ?? double.PositiveInfinity;
        var houseHold = Math.Min(FitToUse.HoldCapMinutes, best);
        var kept = hold == "oxygen" ? houseHold : FitToUse.HoldOf(hold, best);
        IReadOnlyList<HoldRule> rules =
        [
            new("oxygen", "by this brew's oxygen use, 8 h at the most", houseHold, Say.Minutes(houseHold)),
            new("hour", "one hour", 60, Against(60, six)),
            new("day", "six to eight hours", 480, Against(480, six)),
            new("cool", "days, cool and dark", null, "by then it is a feed and no live brew"),
        ];
        var sentence = six is 0 or < 1 ? "It is under 6 mg/L already: the hold is over before it begins."
            : $"Air off, it keeps 6 mg/L for {(six is { } s ? Say.Minutes(Math.Min(s, Horizon * 60)) : "two days and more")}"
                + (battery is null ? "" : holds ? ", and the battery pump holds it while it lasts" : batterySix is { } b
                    ? $", {Say.Minutes(b)} with the battery pump" : "") + ".";
        var answer = new AfterAirAnswer(six, two, use, batterySix, holds, kept, rules, sentence);
        return Worked.Of(
            answer,
            "min",
            learnt is null ? Evidence.PractitionersRule : Evidence.MeasuredHere,
            Lines(answer, stop, at.O, oxygenThen, battery, hold),
            [Cautions.Lifting]);
    }

    private static IEnumerable<WorkingLine> Lines(AfterAirAnswer a, double stop, double oxygen, double? oxygenThen, BatteryPump? battery,
        string hold) =>
            [
                new("oxygen use", "OUR when the air stops", $"at {Say.Hours(stop)}",
                    $"{Say.Number(a.UseMgPerLPerH)} mg/L per h, {Say.Fixed(oxygen, 1)} mg/L in it", oxygenThen is null
                        ? "the model" : "the model, the middle of its band"),
                new("to 6 mg/L", "air off: only 0.15 of the surface still breathes", $"from {Say.Fixed(oxygen, 1)} mg/L",
                    a.MinutesTo6 is { } s6
                    ? Say.Minutes(s6) : "not within two days", "the model"),
                new("to 2 mg/L", "the same", "", a.MinutesTo2 is { } s2 ? Say.Minutes(s2) : "not within two days", "the model"),
                .. battery is null
                    ? Array.Empty<WorkingLine>()
                    : [new("battery pump", "kLa of its air, until the battery is empty",
                        $"{Say.Number(battery.AirLpm!.Value)} L/min for {Say.Hours(battery.Hours!.Value)}", a.WithBatteryTo6 is { } b6
                            ? $"{Say.Minutes(b6)} to 6 mg/L" : "stays above 6 mg/L", "the model")],
                new("hold", hold == "oxygen" ? "least of that and 8 h" : $"the school that you chose: {hold}", "",
                    Say.Minutes(a.HoldMinutes),
                    hold == "oxygen" ? "house rule" : "your choice"),
            ];

    /// <summary>The same of a brew as forecast: the member in the middle by how long it keeps, from the middle of the band as the air
    /// stops. The plan, the live page, the gate and the race all ask this.</summary>
    /// <param name="brew">The brew.</param>
    /// <param name="f">Its forecast.</param>
    /// <param name="typical">The forecast's typical member for that hour.</param>
    /// <param name="stopAtH">Hour at which the air stops, 0 to its hours.</param>
    /// <param name="battery">A battery pump; null for none.</param>
    /// <param name="hold">The school of the hold that was chosen.</param>
    /// <remarks>Without readings its minutes are the forecast's own median to within the band's half-hour grid.</remarks>
    public static Ruling<AfterAirAnswer> OfForecast(BrewQuestion brew, ForecastAnswer f, IReadOnlyList<double> typical, double stopAtH,
        BatteryPump? battery, string hold) =>
        Of(brew with { AirOffAtH = null, Hours = Math.Clamp(Math.Max(brew.Hours ?? 0, stopAtH), 1, 240) }, stopAtH, battery, typical,
            OxygenPoint.At(f.Median, stopAtH), hold, Coarse);

    /// <summary>Minutes from the start of a trace until oxygen is under a line; null where it never is.</summary>
    internal static double? MinutesTo(BrewTrace still, double line)
    {
        for (var step = 0; step < still.Steps; step++)
        {
            if (still.Inside(step, 1).O < line)
            {
                var (low, high) = (0.0, 1.0);
                for (var i = 0; i < 24; i++)
                {
                    var middle = (low + high) / 2;
                    (low, high) = still.Inside(step, middle).O < line ? (low, middle) : (middle, high);
                }

                return 60 * (still.StartOf(step) + (high * still.LengthOf(step)) - still.StartOf(0));
            }
        }

        return null;
    }

    private static (double? To6, bool Holds) OnBattery(BrewSetup setup, in Multipliers member, double stop, double? oxygenThen,
        BatteryPump battery, DiffuserKind kind, double volume, double depth, double tolerance)
    {
        var kLa = BrewRun.KLa20(kind, Math.Min(depth, 0.4), battery.AirLpm!.Value, volume);
        var trace = new BrewTrace();
        (setup with { AirOffAtH = double.PositiveInfinity, AirChanges = [(stop, kLa), (stop + battery.Hours!.Value, -1)] }).Solve(member,
            stop + Horizon, tolerance, trace);
        var shift = oxygenThen is { } o ? o - trace.At(stop).O : 0;
        var below = (double?)null;
        for (var h = stop; h < stop + Horizon; h += 1.0 / 60)
        {
            // Where the reading of now differs from the run, the difference fades with the air that goes over.
            if (trace.At(h).O + (shift * Math.Exp(-(h - stop) * 2)) < BrewRun.Line)
            {
                below = (h - stop) * 60;
                break;
            }
        }

        return (below, below is null || below > battery.Hours.Value * 60);
    }

    private static string Against(double minutes, double? six) => six is { } s && s < minutes
        ? $"by then it has been under 6 mg/L for {Say.Minutes(minutes - s)}" : "it is still above 6 mg/L then";
}
