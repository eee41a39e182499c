using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>What the model expects between the last look and now, mg/L.</summary>
/// <param name="Now">Now, its middle.</param>
/// <param name="Low10">A tenth of the members are below this now.</param>
/// <param name="High90">A tenth are above.</param>
/// <param name="LowestSince">The lowest middle since the last look.</param>
/// <param name="Trusted">The model is trusted here.</param>
public sealed record Expected(double Now, double Low10, double High90, double LowestSince, bool Trusted);

/// <summary>The ruling of the gate.</summary>
/// <param name="Fitness">Fit, not fit, or unseen.</param>
/// <param name="Sentence">What to do, in a sentence.</param>
/// <param name="Reasons">Why, one sentence each.</param>
/// <param name="MinutesLeft">Minutes in which it may still be used once the air is off, or since a dunked extract was made; null while the
/// air runs.</param>
/// <param name="ReadFirst">It wants an oxygen reading before it is used: one of the first hour was low, or the model expects it under 6
/// since the last.</param>
public sealed record GateAnswer(Fitness Fitness, string Sentence, IReadOnlyList<string> Reasons, double? MinutesLeft,
    bool ReadFirst = false);

/// <summary>The gate that every brew passes before it touches a plant.</summary>
public static class FitToUse
{
    /// <summary>Longest a living tea is held after its air stops, minutes.</summary>
    public const double HoldCapMinutes = 8 * 60;

    /// <summary>Longest a fed brew is kept on its air, hours.</summary>
    public const double OldestH = 36;

    /// <summary>Oldest that an extract without food may be, dunked or bubbled, hours from making.</summary>
    public const double OldestExtractH = 24;

    /// <summary>Readings up to this hour fail nothing and count as no look: what was stirred in is still settling.</summary>
    public const double FirstHour = 1;

    /// <summary>Oldest that a making may be, hours from the start; null for a feed, which has no age at which it is alive.</summary>
    public static double? OldestOf(Making making) =>
        making switch { Making.Tea => OldestH, Making.Extract or Making.Bubbled => OldestExtractH, _ => null };

    /// <summary>Minutes that a brew may stand without air by a school of the hold.</summary>
    /// <param name="school">"oxygen", "hour", "day" or "cool"; the house takes "oxygen".</param>
    /// <param name="graceTo6">Minutes to 6 mg/L by the forecast; null where it was not asked: an hour then.</param>
    /// <remarks>By oxygen, 44 min to 6 mg/L: 44. By the hour: 60. Six to eight hours, or cool and dark: 480, and what stands longer is a
    /// feed.</remarks>
    public static double HoldOf(string school, double? graceTo6) =>
        school switch { "hour" => 60, "day" or "cool" => HoldCapMinutes, _ => Math.Min(HoldCapMinutes, graceTo6 ?? 60) };

    /// <summary>Rules on what has been seen. Worked: one oxygen reading of 4.1 mg/L at hour 9 makes a brew not fit, whatever it smells
    /// of.</summary>
    public static Worked<GateAnswer> Judge(BrewSeen seen)
    {
        if (seen.IsFeed && !seen.SourceUnfit && !seen.PathogenFound)
        {
            return Worked.Of(
                new GateAnswer(Fitness.Feed,
                    "A feed, not a live brew: thin it, keep it to the soil, off leaves and off anything eaten raw.",
                    ["It has stood without air: the gate of a live brew does not apply."], null),
                "", Evidence.PractitionersRule,
                [new("the gate", "steeped without air", Say.Hours(seen.NowH), "a feed",
                    "house rule; one school keeps it a week to a month and calls it a brew")], [Cautions.Food], [HoldFork(seen)]);
        }

        var failures = Failures(seen).ToList();
        var left = Left(seen);
        var asks = failures.Count == 0 ? AsksForReading(seen) : null;
        var looked = Looks(seen).Any() || seen.CountedAtH.Any(h => h > FirstHour);
        var fitness = failures.Count > 0 ? Fitness.NotFit : asks is not null || !looked ? Fitness.Unseen : Fitness.Fit;
        var reasons = failures.Count > 0 ? failures : Passed(seen, asks).ToList();
        var answer = new GateAnswer(fitness, Sentence(seen, fitness, failures, asks, left), reasons, fitness == Fitness.NotFit
            ? null : left, asks is not null);
        return Worked.Of(
            answer,
            "",
            fitness == Fitness.Unseen ? Evidence.PractitionersRule : Evidence.MeasuredHere,
            [
                new("the gate",
                    "strip zero · oxygen 6 or more after the first hour · smell · foam inside · source fit · fed 36 h, unfed 24 h at the "
                        + "most · inside the hold",
                    Say.Count(seen.Oxygen.Count, "oxygen reading")
                        + (seen.Probe.Count > 0 ? $" and {Say.Count(seen.Probe.Count, "hour")} of a probe" : "")
                        + $", {Looks(seen).Count()} of them after the first hour, {Say.Count(seen.Smells.Count, "smell")}, "
                        + $"{Say.Count(seen.Foams.Count, "look")} at the foam",
                    Name(fitness), "practitioners' rules; smell can fail a brew and never pass it"),
                .. seen.Expected is { } e
                    ? [new WorkingLine("since the last look", "the model, learnt from the readings", LastLook(seen) is { } l
                        ? $"since {Say.Hours(l.H)}" : "since the start",
                        $"{Say.Fixed(e.Now, 1)} mg/L now, {Say.Fixed(e.Low10, 1)} to {Say.Fixed(e.High90, 1)}", "the model: unseen")]
                        : Array.Empty<WorkingLine>(),
                .. HoldLines(seen),
            ],
            [],
            seen.AirOffH is null || seen.Dunked ? [] : [HoldFork(seen)]);
    }

    /// <summary>Oxygen looked at after the first hour.</summary>
    private static IEnumerable<SeenAt<double>> Looks(BrewSeen seen) => seen.Measured.Where(o => o.H > FirstHour);

    private static SeenAt<double>? LastLook(BrewSeen seen) => Looks(seen).LastOrDefault();

    /// <summary>Why it wants a reading before it is used; null where it does not.</summary>
    private static string? AsksForReading(BrewSeen seen)
    {
        if (!Looks(seen).Any() && seen.Measured.Where(o => o.What < BrewRun.Line).MinBy(o => o.What) is { } early)
        {
            return $"It read {Say.Fixed(early.What, 1)} mg/L at {Say.Hours(early.H)}, and nobody has read it since";
        }

        return seen is { IsTea: true, AirOffH: null, Expected: { Trusted: true, LowestSince: < BrewRun.Line } e }
            && seen.NowH - (LastLook(seen)?.H ?? 0) > 0.25
            ? $"Unseen since {(LastLook(seen) is { } l ? Say.Hours(l.H) : "the start")}: the model expects {Say.Fixed(e.LowestSince, 1)} "
                + $"mg/L{(e.LowestSince < e.Now - 0.05 ? " on the way" : " now")}"
            : null;
    }

    private static IEnumerable<string> Failures(BrewSeen seen)
    {
        if (seen.StripMgPerL > 0)
        {
            yield return $"The strip read {Say.Number(seen.StripMgPerL.Value)} mg/L of chlorine, not zero.";
        }

        if (Looks(seen).Where(o => o.What < BrewRun.Line).MinBy(o => o.What) is { } low)
        {
            yield return $"Oxygen was {Say.Fixed(low.What, 1)} mg/L at {Say.Hours(low.H)}, below 6.";
        }

        if (seen.Smells.FirstOrDefault(s => s.What >= Smell.Sour) is { } smell)
        {
            yield return $"It smelt {Word(smell.What)} at {Say.Hours(smell.H)}.";
        }

        if (seen.Foams.FirstOrDefault(f => f.What == Foam.Over) is { } foam)
        {
            yield return $"Foam went over the side at {Say.Hours(foam.H)}: more food than air.";
        }

        if (seen.SourceUnfit)
        {
            yield return "Its source was judged unfit.";
        }

        if (seen.PathogenFound)
        {
            yield return "A test found gut germs.";
        }

        if (seen.IsTea && (seen.AirOffH ?? seen.NowH) > OldestH)
        {
            yield return $"It was brewed for {Say.Hours(seen.AirOffH ?? seen.NowH)}, past 36 h.";
        }

        if (!seen.IsTea && seen.NowH > OldestExtractH)
        {
            yield return $"It was made {(seen.NowH < 1 ? Say.Ago(seen.NowH / 24) : $"{Say.Hours(seen.NowH)} ago")}: an extract is used "
                + "within a day.";
        }

        if (!seen.Dunked && Left(seen) is <= 0)
        {
            yield return $"The air has been off for {Say.Hours(seen.NowH - seen.AirOffH!.Value)}: the hold is over.";
        }
    }

    private static IEnumerable<string> Passed(BrewSeen seen, string? asks)
    {
        if (asks is not null)
        {
            yield return asks + ".";
        }

        yield return seen.StripMgPerL is null ? "No strip was read." : "The strip read zero.";
        var looks = Looks(seen).ToList();
        var byHand = seen.Oxygen.Where(o => o.H > FirstHour).ToList();
        yield return byHand.Count switch {
            0 when looks.Count > 0 =>
                $"The probe never read below {Say.Fixed(looks.Min(o => o.What), 1)} mg/L over an hour; nobody read by hand.",
            0 when seen.Measured.Any() => "It was read in the first hour only, which counts as no look: unseen.",
            0 => "Nobody measured its oxygen: a brew that has turned can smell fine for hours.",
            var n => $"Oxygen never read below {Say.Fixed(byHand.Min(o => o.What), 1)} mg/L in {Say.Count(n, "reading")}.",
        };
        if (looks.Count > 0 && asks is null && seen is { AirOffH: null, Expected: { } e } && seen.NowH - looks[^1].H >= 0.5)
        {
            yield return e.Trusted
                ? $"Unseen since {Say.Hours(looks[^1].H)}; the model expects {Say.Fixed(e.Now, 1)} mg/L now ({Say.Fixed(e.Low10, 1)} "
                    + $"to {Say.Fixed(e.High90, 1)})." : $"Unseen since {Say.Hours(looks[^1].H)}, and the model is not trusted here.";
        }

        if (seen.CountedAtH.Count > 0)
        {
            yield return $"It was counted under the microscope at {Say.Hours(seen.CountedAtH.Max())}.";
        }

        if (seen.Smells.Count > 0)
        {
            yield return $"It smelt {Word(seen.Smells[^1].What)}, which fails nothing and proves nothing.";
        }
    }

    /// <summary>Minutes left: of the hold since the air went off, or of the day since a dunked extract was made; null while the air
    /// runs.</summary>
    private static double? Left(BrewSeen seen) =>
        seen.Dunked ? (OldestExtractH - seen.NowH) * 60 : seen.AirOffH is { } off ? HoldMinutes(seen) - ((seen.NowH - off) * 60) : null;

    private static double HoldMinutes(BrewSeen seen) => HoldOf(seen.Hold, seen.GraceMinutesTo6);

    private static IEnumerable<WorkingLine> HoldLines(BrewSeen seen) => seen.AirOffH is not { } off || seen.Dunked
        ? []
        :
        [
            new("hold", seen.Hold == "oxygen" ? "least of minutes to 6 mg/L and 8 h" : $"the school that you chose: {seen.Hold}",
                seen.GraceMinutesTo6 is { } g ? $"{Say.Minutes(g)} to 6 mg/L by the model" : "no forecast: 1 h",
                Say.Minutes(HoldMinutes(seen)), "oxygen use of this brew; the cap is a house rule"),
            new("left", "hold − time since the air stopped", $"{Say.Minutes(HoldMinutes(seen))} − {Say.Hours(seen.NowH - off)}",
                Say.Minutes(Math.Max(0, Left(seen) ?? 0)), "clock"),
        ];

    private static Fork HoldFork(BrewSeen seen) => new(
        "hold",
        "How long may it stand once the air is off?",
        [
            new("oxygen", "by this brew's oxygen use, cap 8 h", Say.Minutes(HoldOf("oxygen", seen.GraceMinutesTo6))),
            new("hour", "one hour", "1 h"),
            new("day", "six to eight hours", "6 h to 8 h"),
            new("cool", "days to a month, cool and dark", "a week or more: the house calls that a feed"),
        ],
        "oxygen",
        seen.Hold,
        "A thick warm brew is out of air in minutes; a thin cool one lasts the morning. The rate can be worked out, so it is.",
        Evidence.PractitionersRule,
        "The last minute at which it may go on.");

    private static string Sentence(BrewSeen seen, Fitness fitness, List<string> failures, string? asks, double? left) => fitness switch {
        Fitness.NotFit => "Heap it: " + char.ToLowerInvariant(failures[0][0]) + failures[0][1..],
        _ when asks is not null => $"{asks}: read it before use.",
        Fitness.Unseen when seen.Dunked =>
            $"Made {Say.Ago(seen.NowH / 24)}; unseen. Use it within {Say.Minutes(left!.Value)}, the sooner the better.",
        Fitness.Unseen when left is { } l => $"Unseen: nobody measured its oxygen. Use it within {Say.Minutes(l)} if you must.",
        Fitness.Unseen when seen.Measured.Any() => "Unseen: it was read in the first hour only.",
        Fitness.Unseen => "Unseen: nobody has measured its oxygen yet.",
        _ when left is { } l => $"Fit to use for another {Say.Minutes(l)}.",
        _ => LastLook(seen) is { } look && seen.NowH - look.H >= 0.5
            ? $"Fit at its last reading, {Say.Fixed(look.What, 1)} mg/L at {Say.Hours(look.H)}." : "Fit so far.",
    };

    /// <summary>A fitness in words.</summary>
    public static string Name(Fitness fitness) =>
        fitness switch { Fitness.Fit => "fit", Fitness.NotFit => "not fit", Fitness.Feed => "a feed", _ => "unseen" };

    /// <summary>A smell in words, after "it smelt".</summary>
    public static string Word(Smell smell) => smell switch {
        Smell.Earthy => "earthy",
        Smell.Sweet => "sweet",
        Smell.None => "of nothing much",
        Smell.Sour => "sour",
        Smell.RottenEgg => "of rotten eggs",
        Smell.Putrid => "putrid",
        _ => "of sharp alcohol",
    };
}
