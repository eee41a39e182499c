namespace MudPie.Core.Brewing;

/// <summary>How often a brew comes again.</summary>
public enum Every
{
    /// <summary>Seven days.</summary>
    Week,

    /// <summary>Fourteen days.</summary>
    Fortnight,

    /// <summary>The same day of the month, or its last where that month is shorter.</summary>
    Month
}

/// <summary>A brew that comes again.</summary>
public static class Rounds
{
    /// <summary>How far ahead a round is drawn and put into the calendar, days.</summary>
    public const int AheadDays = 70;

    /// <summary>So many days before its hour the next one is asked for on Today: time to brew it, and to clean first.</summary>
    public const int AskDays = 3;

    /// <summary>Times at which it comes again, at the same hour of the clock, after the last one and not before now.</summary>
    /// <param name="first">When the first one was put out, or is to be: its hour, and its day of the month, are kept to.</param>
    /// <param name="last">When the last one was, or is to be: a window may have moved it by some days, so what lies within half a round of
    /// it is its own.</param>
    /// <param name="every">How often.</param>
    /// <param name="now">Now: what was missed is not made up for.</param>
    /// <param name="local">A moment in the holding's own zone.</param>
    /// <param name="at">The moments at which a clock there shows a time, earliest first; none in an hour that is left out.</param>
    /// <returns>Those of the next <see cref="AheadDays"/> days, soonest first.</returns>
    /// <remarks>Put out on Sat 24 Oct 07:00 in London, every week: Sat 31 Oct 07:00, though the clocks went back between.
    /// Every month from 31 Jan: 28 Feb, 31 Mar.</remarks>
    public static IReadOnlyList<DateTimeOffset> Of(DateTimeOffset first, DateTimeOffset last, Every every, DateTimeOffset now,
        Func<DateTimeOffset, DateTimeOffset> local, Func<DateTime, IReadOnlyList<DateTimeOffset>> at)
    {
        var there = local(first).DateTime;
        // from the last whole round before now: a holding that is opened after years need not walk through them
        var passed = Math.Max(0, (now - first).TotalDays);
        var from = every == Every.Month ? (int)(passed / 31) : (int)(passed / Days(every));
        var half = every == Every.Month ? 15 : Days(every) / 2.0;
        var list = new List<DateTimeOffset>();
        for (var i = Math.Max(1, from); i < from + 15; i++)
        {
            var on = every == Every.Month ? there.AddMonths(i) : there.AddDays(i * Days(every));
            var moment = at(on) is [var one, ..] ? one : at(on.AddHours(1)) is [var later, ..] ? later : (DateTimeOffset?)null;
            if (moment is { } m && m >= now && m > last.AddDays(half) && m <= now.AddDays(AheadDays))
            {
                list.Add(m);
            }
        }

        return list;
    }

    private static int Days(Every every) => every == Every.Fortnight ? 14 : 7;

    /// <summary>In words: "every week".</summary>
    public static string Says(Every every) => every switch {
        Every.Week => "every week",
        Every.Fortnight => "every other week",
        _ => "every month"
    };
}
