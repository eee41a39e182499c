using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>A live brew: what was planned, and what has been seen.</summary>
public sealed record WatchQuestion
{
    /// <summary>The brew as it was started.</summary>
    public required BrewQuestion Brew { get; init; }

    /// <summary>What has been seen; its grace minutes are filled in here.</summary>
    public required BrewSeen Seen { get; init; }

    /// <summary>Warmth readings, °C.</summary>
    public IReadOnlyList<SeenAt<double>> Warmth { get; init; } = [];

    /// <summary>Hours from the start to the planned use.</summary>
    public required double UseAtH { get; init; }

    /// <summary>When it was started.</summary>
    public required DateTimeOffset StartedAt { get; init; }

    /// <summary>Members of the forecast; 300 when not given.</summary>
    public int? Members { get; init; }

    /// <summary>What earlier brews have taught; null for the table.</summary>
    public Prior? Prior { get; init; }

    /// <summary>A battery pump for the road; null for none.</summary>
    public BatteryPump? Battery { get; init; }

    /// <summary>Units that its sentences speak in.</summary>
    public Measures.UnitSystem Units { get; init; }

    /// <summary>What it is to be put out with, and on how much; null where it is not known.</summary>
    public WatchRace? Race { get; init; }
}

/// <summary>What the race of a live brew hangs on.</summary>
/// <param name="MixL">Mixed litres in all.</param>
/// <param name="Kit">Sprayer, flows, ways.</param>
/// <param name="Window">What is left of the window from the hour of use; null where nothing spoils it.</param>
/// <param name="Units">Units that its sentences speak in.</param>
public sealed record WatchRace(double MixL, RaceKit Kit, RaceWindow? Window, Measures.UnitSystem Units = Measures.UnitSystem.Metric);

/// <summary>The one reading of now: the model learnt from hand readings and probe, its offset taken off.</summary>
/// <param name="MgPerL">Its middle, mg/L.</param>
/// <param name="Low10">A tenth of the members are below.</param>
/// <param name="High90">A tenth are above.</param>
/// <param name="Shown">"6.4 mg/L (5.9 to 6.8)".</param>
/// <param name="By">"by the model", or "by your own readings" where the model does not fit this brew.</param>
public sealed record OxygenNow(double MgPerL, double Low10, double High90, string Shown, string By = "by the model");

/// <summary>Something that could be done, and what would come of it.</summary>
/// <param name="Id">Stable name.</param>
/// <param name="What">What to do.</param>
/// <param name="Gives">What would come of it.</param>
/// <param name="Holds">True where it would keep the brew at 6 mg/L until use.</param>
public sealed record Remedy(string Id, string What, string Gives, bool Holds);

/// <summary>What Mud Pie says of a live brew.</summary>
/// <param name="Verdict">What to do.</param>
/// <param name="Gate">Fit to use?</param>
/// <param name="Forecast">The band, re-weighted by the readings.</param>
/// <param name="UseAtH">Hours to the planned use.</param>
/// <param name="NowH">Hours now.</param>
/// <param name="ExpectedNow">Median oxygen now, mg/L.</param>
/// <param name="CrossesAtH">When the median first falls below 6 from now on; null where it does not before use.</param>
/// <param name="ReadingDueAtH">When the next oxygen reading is due.</param>
/// <param name="UseByH">Hour by which it must be used once the air is off.</param>
/// <param name="Remedies">What would hold it above 6, worked out; empty where nothing is wrong.</param>
/// <param name="LearntWords">What the readings say of this brew, against the table.</param>
/// <param name="After">How long it keeps once the air stops: now, or when it did.</param>
/// <param name="Now">The one reading of now, used by every screen; null for a dunked extract and a feed.</param>
/// <param name="Race">The race to the ground; null where it is not known what it is put out with.</param>
public sealed record WatchAnswer(
    Verdict Verdict, GateAnswer Gate, ForecastAnswer Forecast, double UseAtH, double NowH, double? ExpectedNow, double? CrossesAtH,
    double ReadingDueAtH, double? UseByH, IReadOnlyList<Remedy> Remedies, IReadOnlyList<string> LearntWords, AfterAirAnswer? After,
    OxygenNow? Now, RaceAnswer? Race)
{
    /// <summary>How far the band is to be believed: said under it, whatever else the verdict is about.</summary>
    public string ModelSays => Forecast.Trusted ? "A model, not a measurement; your own readings sharpen it."
        : $"The model does not fit this brew: {Doubt(Forecast)}. The band follows your own readings instead, and widens.";

    /// <summary>Why the model is not trusted.</summary>
    internal static string Doubt(ForecastAnswer f) => f.Doubt ?? "no brew that it can think of reads as yours does";
}

/// <summary>Watches a brew that is going.</summary>
public static class BrewWatch
{
    private const double Every = 0.5;

    /// <summary>Reads the forecast through what has been seen, and says what to do.</summary>
    /// <param name="q">The brew and its log.</param>
    /// <param name="local">A moment in the holding's own zone, for the words.</param>
    /// <remarks>Three readings that fall faster than the table's brew move the crossing of 6 mg/L forward and narrow the band.</remarks>
    public static Ruling<WatchAnswer> Of(WatchQuestion q, Func<DateTimeOffset, DateTimeOffset> local)
    {
        var hours = BrewReadings.Horizon(q.UseAtH, q.Seen.NowH);
        var brew = Warmed(q.Brew with { Hours = hours, AirOffAtH = q.Seen.AirOffH ?? q.Brew.AirOffAtH }, q.Warmth, hours);
        var readings = q.Seen.Measured.Where(o => o.H >= 0 && o.H <= hours).Select(o => new OxygenAt { H = o.H, MgPerL = o.What }).ToList();
        var use = Math.Clamp(Math.Max(q.UseAtH, q.Seen.NowH), 0, hours);
        var stop = Math.Clamp(q.Seen.AirOffH ?? q.Seen.NowH, 0, hours);
        var asked = new ForecastQuestion(brew) {
            Hours = hours, Members = q.Members ?? 300, UseAtH = use, StopAtH = stop, EveryH = Every,
            Readings = readings, Prior = q.Prior
        };
        var forecast = BrewForecast.Of(asked);
        if (forecast.Refused is { } refused)
        {
            return refused;
        }

        var f = forecast.Value;
        var now = q.Seen.IsFeed || q.Seen.Dunked ? null : NowOf(f, q.Seen.NowH);
        var afterSum = AfterAir.OfForecast(brew, f, f.TypicalAtStop, stop, q.Battery, q.Seen.Hold)
            .Match<Worked<AfterAirAnswer>?>(w => w, _ => null);
        var after = q.Seen.Dunked ? null : afterSum?.Value;
        var seen = q.Seen with {
            GraceMinutesTo6 = after is null ? f.GraceMinutesTo6 : q.Battery is not null && q.Seen.AirOffH is not null
                ? after.HoldMinutes : after.MinutesTo6 ?? AfterAir.Horizon * 60,
            Expected = now is null ? null : ExpectedSince(f, q.Seen, now),
        };
        var gate = FitToUse.Judge(seen);
        var crossing = seen.AirOffH is null && q.Brew.AirOffAtH is null ? Crossing(f, seen.NowH, use) : null;
        string Clock(double h) => Say.Clock(q.StartedAt.AddHours(h).AddSeconds(30), q.StartedAt.AddHours(seen.NowH), local);
        var useBy = gate.Value.Fitness is Fitness.NotFit or Fitness.Feed ? null
            : seen.Dunked ? FitToUse.OldestExtractH
            : seen.AirOffH is { } off ? off + (FitToUse.HoldOf(seen.Hold, seen.GraceMinutesTo6) / 60) : (double?)null;
        // The race is run at the hour of use; "if the pump stops now" is another question while that is ahead.
        var atUse = q.Race is null || after is null || seen.AirOffH is not null || use <= seen.NowH + 0.05
            ? after : AfterAir.OfForecast(brew, f, f.TypicalAtUse, use, q.Battery, q.Seen.Hold).Match(w => w.Value, _ => after);
        var race = q.Race is { } r && !seen.IsFeed && gate.Value.Fitness != Fitness.NotFit ? RaceOf(r, q, seen, atUse, useBy) : null;
        var worry = seen.AirOffH is null && seen.IsTea && crossing is not null;
        var answer = new WatchAnswer(
            SayIt(seen, gate.Value, f, crossing, useBy, use, race?.Value, Clock), gate.Value, f, q.UseAtH, seen.NowH,
            now?.MgPerL, crossing, DueAt(seen), useBy,
            worry && gate.Value.Fitness != Fitness.NotFit ? Remedies.Of(brew, f, seen.NowH, use, crossing!.Value, Clock, q.Units) : [],
            readings.Count >= 3 && f.Trusted ? Learnt.InWords(f.Learnt) : [], seen.IsFeed ? null : after, now, race?.Value);
        return Worked.Of(answer, "", forecast.Worked.Sure, [.. gate.Working, .. race?.Working ?? [], .. forecast.Worked.Working,
            .. seen.IsFeed ? [] : afterSum?.Working ?? []], [], gate.Forks);
    }

    private static Worked<RaceAnswer>? RaceOf(WatchRace r, WatchQuestion q, BrewSeen seen, AfterAirAnswer? after, double? useBy)
    {
        // The air is off already: what is left of the hold; an extract that was dunked: what is left of its day.
        var gone = useBy is { } by;
        var grace = gone ? Math.Max((useBy!.Value - seen.NowH) * 60, 0) : FitToUse.HoldOf(seen.Hold, after is null ? null : after.MinutesTo6
            ?? AfterAir.Horizon * 60);
        return PutOutRace.For(new RaceFacts {
            BrewL = q.Brew.VolumeL ?? 1,
            MixL = r.MixL,
            Kit = r.Kit,
            GraceMinutes = grace,
            BatteryGraceMinutes = q.Battery is null || gone ? null : Math.Min(after?.WithBatteryTo6 ?? FitToUse.HoldCapMinutes,
                FitToUse.HoldCapMinutes),
            AirOffAtMin = gone && !seen.Dunked ? 0 : null,
            Dunked = seen.Dunked,
            Window = r.Window,
            Units = r.Units,
        }).Match<Worked<RaceAnswer>?>(w => w, _ => null);
    }

    private static OxygenNow? NowOf(ForecastAnswer f, double h) =>
        OxygenPoint.At(f.Median, h) is { } middle && OxygenPoint.At(f.Low10, h) is { } low && OxygenPoint.At(f.High90, h) is { } high
            ? new(middle, low, high, $"{Say.Fixed(middle, 1)} mg/L ({Say.Fixed(low, 1)} to {Say.Fixed(high, 1)})", f.Trusted
                ? "by the model" : "by your own readings") : null;

    private static Expected ExpectedSince(ForecastAnswer f, BrewSeen seen, OxygenNow now)
    {
        var from = seen.Measured.Where(o => o.H > FitToUse.FirstHour).LastOrDefault()?.H ?? FitToUse.FirstHour;
        var lowest = f.Median.Where(m => m.H > from + 0.25 && m.H <= seen.NowH).Select(m => m.MgPerL).DefaultIfEmpty(now.MgPerL).Min();
        return new Expected(now.MgPerL, now.Low10, now.High90, Math.Min(lowest, now.MgPerL), f.Trusted);
    }

    private static Verdict SayIt(BrewSeen seen, GateAnswer gate, ForecastAnswer f, double? crossing, double? useBy, double use,
        RaceAnswer? race, Func<double, string> clock)
    {
        var why = string.Join(" ", gate.Reasons);
        return Ended(seen, gate, why, crossing, useBy, use, race, clock) ?? Ahead(seen, gate, why, f, crossing, use, race, clock);
    }

    /// <summary>What the gate, the hold and the race settle, whatever is expected; null where nothing does.</summary>
    private static Verdict? Ended(BrewSeen seen, GateAnswer gate, string why, double? crossing, double? useBy, double use,
        RaceAnswer? race, Func<double, string> clock)
    {
        if (gate.Fitness == Fitness.NotFit)
        {
            return new(Tone.Stop, gate.Sentence, $"{why} A failed brew goes to the compost heap, never on plants.");
        }

        if (seen.IsFeed)
        {
            return new(Tone.Mind, "A feed, not a live brew.", why);
        }

        if (race is { Won: false } && (seen.AirOffH is not null || seen.Dunked || use - seen.NowH < 3))
        {
            return new(Tone.Stop, useBy is { } end
                ? $"Use it before {clock(end)}: {char.ToLowerInvariant(race.Verdict.Sentence[0])}{race.Verdict.Sentence[1..]}"
                : race.Verdict.Sentence, $"{race.Verdict.Why} {gate.Sentence}");
        }

        if (seen.Dunked)
        {
            return new(gate.ReadFirst ? Tone.Stop : Tone.Go, $"Extract, made {Say.Ago(seen.NowH / 24)}: use it the same day.",
                $"{why}{(race is null ? "" : " " + race.Verdict.Sentence)}");
        }

        if (useBy is { } by)
        {
            return new(Tone.Mind, $"Use it before {clock(by)}.", $"{gate.Sentence} {why}");
        }

        if (gate.ReadFirst)
        {
            return new(Tone.Stop, gate.Sentence, $"{why}{(crossing is not null ? " More air, or use it early." : "")}");
        }

        return seen.IsTea ? null : new(Tone.Go, "Extract: use it the same day.", why);
    }

    /// <summary>What the forecast says of the hours ahead.</summary>
    private static Verdict Ahead(BrewSeen seen, GateAnswer gate, string why, ForecastAnswer f, double? crossing, double use,
        RaceAnswer? race, Func<double, string> clock)
    {
        if (!f.Trusted)
        {
            return new(Tone.Mind, "The model does not fit this brew.",
                $"{char.ToUpperInvariant(WatchAnswer.Doubt(f)[0])}{WatchAnswer.Doubt(f)[1..]}: the band follows your own readings now, "
                    + "and widens. Trust the pen and your nose, and read it every hour.");
        }

        var chance = $"{Say.Number(f.ProbabilityBelow6 * 100, 2)} in a hundred";
        if (crossing is { } h)
        {
            return h <= seen.NowH + 0.25
                ? new(Tone.Stop, "Below 6 about now: read it, and give it more air or use it.",
                    $"The forecast's middle is under 6 mg/L. {why}")
                : new(Tone.Stop, "Give it more air, or use it early.",
                    $"Oxygen is likely to cross 6 mg/L about {clock(h)}, {Say.Hours(use - h)} before you mean to use it at {clock(use)}.");
        }

        if (race is { Won: false })
        {
            return race.Verdict with { Why = $"{race.Verdict.Why} {gate.Sentence}" };
        }

        if (f.ProbabilityBelow6 >= 0.25)
        {
            return new(Tone.Mind, "It may dip below 6: read it again.",
                $"The chance is {chance} before {clock(use)}; a reading will tell more.");
        }

        if (f.ReadyAtH.Median is { } ready && ready > use + 0.5)
        {
            return new(Tone.Mind, $"Holding, but not ready by {clock(use)}: about {clock(ready)}, by the model.",
                $"{(ready > FitToUse.OldestH ? "That is past 36 h: use it as it is, or send it to the heap. "
                    : "Use it later, or as it is: fewer cells than it would have. ")}"
                    + $"The chance of falling below 6 mg/L before {clock(use)} is {chance}. {why}");
        }

        return new(Tone.Go, $"Holding. Use it at {clock(use)}.",
            $"The chance of falling below 6 mg/L first is {chance}, by the model. {why}");
    }

    /// <summary>Every three hours at first and last, two in the steep middle (6 to 18 h): practitioners look a few times.</summary>
    private static double DueAt(BrewSeen seen)
    {
        var last = seen.Oxygen.Count == 0 ? 0 : seen.Oxygen.Max(o => o.H);
        return last + (last is >= 5 and <= 18 ? 2 : 3);
    }

    /// <summary>When the band's middle falls below 6 from now on; or, where more members than not fall below at hours of their own, the
    /// middle of those hours.</summary>
    private static double? Crossing(ForecastAnswer f, double now, double use)
    {
        for (var i = 1; i < f.Median.Count; i++)
        {
            var (a, b) = (f.Median[i - 1], f.Median[i]);
            if (b.H < now || a.H > use || b.MgPerL >= BrewRun.Line)
            {
                continue;
            }

            var at = a.MgPerL < BrewRun.Line ? now : a.H + ((a.MgPerL - BrewRun.Line) / (a.MgPerL - b.MgPerL) * (b.H - a.H));
            return Math.Max(at, now) is var x && x < use ? x : null;
        }

        return f.ProbabilityBelow6 >= 0.5 && f.Below6AtH.Median is { } middle && middle < use ? Math.Max(middle, now + 0.5) : null;
    }

    /// <summary>Takes warmth readings in: the planned curve is moved to pass through them, and the last difference is held.</summary>
    public static BrewQuestion Warmed(BrewQuestion brew, IReadOnlyList<SeenAt<double>> warmth, double hours)
    {
        if (warmth.Count == 0 || brew.TemperatureC is not { } mean)
        {
            return brew;
        }

        double Planned(double h) => mean + ((brew.SwingC ?? 0) * Math.Sin(2 * Math.PI * (h + (brew.StartHour ?? 0) - 9) / 24));
        var offs = warmth.OrderBy(w => w.H).Select(w => (w.H, Off: w.What - Planned(w.H))).ToList();
        double Off(double h)
        {
            var after = offs.FindIndex(o => o.H >= h);
            if (after <= 0)
            {
                return after == 0 ? offs[0].Off : offs[^1].Off;
            }

            var (a, b) = (offs[after - 1], offs[after]);
            return b.H == a.H ? b.Off : a.Off + ((h - a.H) / (b.H - a.H) * (b.Off - a.Off));
        }

        return brew with {
            TemperatureByHour =
            [.. Enumerable.Range(0, (int)hours + 26).Select(h => Math.Clamp(Planned(h) + Off(h), 0, 45))]
        };
    }
}
