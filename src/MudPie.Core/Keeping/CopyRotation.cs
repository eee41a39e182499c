namespace MudPie.Core.Keeping;

/// <summary>Which dated copies are kept, when the next one is due, and from when on the last one is old.</summary>
public static class CopyRotation
{
    /// <summary>Hour of the night, local, from which on a day's copy is due: 2.</summary>
    public const int Hour = 2;

    /// <summary>A copy older than so many days is spoken of: 2.</summary>
    public const int OldDays = 2;

    /// <summary>Those that are kept: seven days, four weeks, twelve months.</summary>
    /// <param name="copies">Days on which there is a copy, in any order.</param>
    /// <param name="days">How many days.</param>
    /// <param name="weeks">How many weeks, from Monday.</param>
    /// <param name="months">How many months.</param>
    /// <returns>The newest of each of the last seven days that have one, of each of the last four weeks that have one, and of each of the
    /// last twelve months that have one: a month without the machine running takes nothing away. Of a copy each day of 2026 up to 10
    /// June: 4 to 10 June; 24 and 31 May as the last of their weeks (7 and 10 June too); and the last of each month from January on:
    /// 13 in all.</returns>
    public static IReadOnlySet<DateOnly> Kept(IReadOnlyCollection<DateOnly> copies, int days = 7, int weeks = 4, int months = 12) =>
        copies.Distinct().OrderDescending().Take(days)
            .Concat(LastOf(copies, d => d.DayNumber - (((int)d.DayOfWeek + 6) % 7), weeks))
            .Concat(LastOf(copies, d => (d.Year * 12) + d.Month, months)).ToHashSet();

    /// <summary>The day of the newest copy, leaving out what a wrong clock has dated later than today.</summary>
    /// <param name="local">Now, in the holding's own zone.</param>
    /// <param name="copies">Days on which there is a copy, in any order.</param>
    /// <returns>Null where there is none. Of 8 June 2026 and 1 January 2099, on 10 June 2026: 8 June.</returns>
    public static DateOnly? Newest(DateTimeOffset local, IEnumerable<DateOnly> copies) =>
        copies.Where(d => d <= DateOnly.FromDateTime(local.DateTime)).Select(d => (DateOnly?)d).Max();

    /// <summary>The day whose copy is due.</summary>
    /// <param name="local">Now, in the holding's own zone.</param>
    /// <param name="newest">Day of the newest copy; null where there is none.</param>
    /// <returns>Null where it is there. At 01:59 on 10 June the copy of 9 June is due where the newest is of 8 June; from 02:00 on that
    /// of 10 June.</returns>
    public static DateOnly? Due(DateTimeOffset local, DateOnly? newest)
    {
        var day = DateOnly.FromDateTime(local.DateTime.AddHours(-Hour));
        return newest >= day ? null : day;
    }

    /// <summary>Whole days from a copy to now.</summary>
    /// <param name="local">Now, in the holding's own zone.</param>
    /// <param name="copy">The copy's day.</param>
    /// <returns>From 7 June to 10 June: 3, which is old; never below nought.</returns>
    public static int AgeDays(DateTimeOffset local, DateOnly copy) =>
        Math.Max(0, DateOnly.FromDateTime(local.DateTime).DayNumber - copy.DayNumber);

    private static IEnumerable<DateOnly> LastOf(IEnumerable<DateOnly> copies, Func<DateOnly, int> of, int most) =>
        copies.GroupBy(of).OrderByDescending(g => g.Key).Take(most).Select(g => g.Max());
}
