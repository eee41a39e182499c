using MudPie.Core.Workings;

namespace MudPie.Core.Almanac;

/// <summary>When a preparation is begun, changed and lifted, for one sky.</summary>
/// <param name="Of">Which.</param>
/// <param name="HangAt">Hung from here, UTC; null where it is not hung.</param>
/// <param name="BeginAt">The turn of the year about which it is buried, laid in water, pressed or cut, UTC.</param>
/// <param name="From">A few weeks before it.</param>
/// <param name="To">A few weeks after it.</param>
/// <param name="EndAt">The turn after which it is lifted, UTC; null for what is not lifted.</param>
/// <param name="FullMoon">The first full moon that follows; null where one school only waits for none.</param>
/// <param name="LiftAt">From when it is lifted, by the school in force; null for what is not lifted.</param>
public sealed record PreparationSpan(Preparation Of, DateTimeOffset? HangAt, DateTimeOffset BeginAt, DateTimeOffset From, DateTimeOffset To,
    DateTimeOffset? EndAt, DateTimeOffset? FullMoon, DateTimeOffset? LiftAt);

/// <summary>Dates of the preparations for a place and a year. The turns are astronomy; that anything hangs on them is a practitioners'
/// rule.</summary>
public static class PreparationYear
{
    /// <summary>So many days either side of the turn it is buried. Practitioners' rule.</summary>
    public const int WeeksDays = 21;

    /// <summary>The fork of lifting.</summary>
    public const string LiftFork = "lift", AfterEquinox = "after", AfterMoon = "full-moon";

    /// <summary>Spring, summer, autumn, winter of the half of the earth, in a year.</summary>
    /// <param name="turn">0 spring equinox, 1 summer solstice, 2 autumn equinox, 3 winter solstice.</param>
    /// <param name="year">1901 to 2099.</param>
    /// <param name="south">South of the equator.</param>
    /// <remarks>Autumn of 2026: 23 September in the north, 20 March in the south.</remarks>
    public static DateTimeOffset Turn(int turn, int year, bool south) => Seasons.Instants(year)[(turn + (south ? 2 : 0)) % 4];

    /// <summary>The span that is under way at a moment, or the next one.</summary>
    /// <param name="of">Which preparation.</param>
    /// <param name="now">From when.</param>
    /// <param name="south">South of the equator.</param>
    /// <param name="school">"after" or "full-moon".</param>
    /// <remarks>Horn manure, 26 November 2026, north: the window of 2026 is over (it closed on 14 October); the next is about 23 September
    /// 2027.</remarks>
    public static PreparationSpan Next(Preparation of, DateTimeOffset now, bool south, string? school)
    {
        for (var year = now.Year - 1; ; year++)
        {
            var span = About(of, Turn(Begins(of.Way), year, south), south, school);
            if (span.To >= now)
            {
                return span;
            }
        }
    }

    /// <summary>The span of what was begun at a moment: lifted at the first fit turn that follows.</summary>
    /// <param name="of">Which preparation.</param>
    /// <param name="begun">When it went into the ground, into water or was pressed.</param>
    /// <param name="south">South of the equator.</param>
    /// <param name="school">"after" or "full-moon".</param>
    /// <remarks>Horn manure buried on 28 September 2026 at 52.5° north: lifted after 20 March 2027, 20:24 UTC; by one school from the full
    /// moon of 22 March 2027, 10:44 UTC on.</remarks>
    public static PreparationSpan About(Preparation of, DateTimeOffset begun, bool south, string? school)
    {
        var hang = of.Way == PreparationWay.HungThenBuried ? Before(1, begun, south) : (DateTimeOffset?)null;
        var (turn, least) = of.Way switch {
            PreparationWay.SummerBuried => (2, 60),
            PreparationWay.YearBuried => (1, 300),
            PreparationWay.Pressed or PreparationWay.Brewed => (-1, 0),
            _ => (0, 60),
        };
        DateTimeOffset? end = turn < 0 ? null : After(turn, begun.AddDays(least), south);
        var moon = end is { } e && turn == 0
            ? MoonPhases.Quarters(e, e.AddDays(31)).First(q => q.Phase == MoonPhase.Full).At : (DateTimeOffset?)null;
        return new PreparationSpan(of, hang, begun, begun.AddDays(-WeeksDays), begun.AddDays(WeeksDays), end, moon,
            school == AfterMoon && moon is not null ? moon : end);
    }

    /// <summary>When to lift, by both schools.</summary>
    /// <param name="span">Of what.</param>
    /// <param name="school">The one in force.</param>
    /// <param name="day">Writes a day of the holding's own.</param>
    public static Fork? Lifting(PreparationSpan span, string? school, Func<DateTimeOffset, string> day) =>
        span.EndAt is not { } end || span.FullMoon is not { } moon ? null : new Fork(LiftFork, "When is it lifted?",
            [
                new(AfterEquinox, "after the spring equinox", $"from {day(end.AddDays(1))} on"),
                new(AfterMoon, "after the first full moon that follows it", $"from {day(moon)} on"),
            ], AfterEquinox, school == AfterMoon ? AfterMoon : AfterEquinox,
            "Most hand down the equinox alone; nothing was ever measured that speaks for either.", Evidence.Contested,
            "the day on which it is said to be due, and the calendar");

    private static int Begins(PreparationWay way) => way switch {
        PreparationWay.SummerBuried => 0,
        PreparationWay.YearBuried or PreparationWay.Pressed or PreparationWay.Brewed => 1,
        _ => 2,
    };

    private static DateTimeOffset After(int turn, DateTimeOffset at, bool south) =>
        Enumerable.Range(at.Year - 1, 4).Select(y => Turn(turn, y, south)).First(t => t >= at);

    private static DateTimeOffset Before(int turn, DateTimeOffset at, bool south) =>
        Enumerable.Range(at.Year - 2, 4).Select(y => Turn(turn, y, south)).Last(t => t <= at);
}
