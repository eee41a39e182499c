namespace MudPie.Server.Web;

/// <summary>What a clock on the wall means: on most days one moment, in the hour that is left out none, in the hour that comes twice
/// two.</summary>
public static class LocalTimes
{
    /// <summary>The moments at which a clock there shows this, earliest first.</summary>
    /// <param name="there">What the clock shows.</param>
    /// <param name="local">A moment in the holding's zone.</param>
    /// <remarks>Europe/London: 2026-03-29 01:30 is none; 2026-10-25 01:30 is 00:30 and 01:30 UTC.</remarks>
    public static IReadOnlyList<DateTimeOffset> Of(DateTime there, Func<DateTimeOffset, DateTimeOffset> local)
    {
        if (there.Year is < 2 or > 9998)
        {
            return [];
        }

        var guess = new DateTimeOffset(DateTime.SpecifyKind(there, DateTimeKind.Unspecified), TimeSpan.Zero);
        return [.. new[] { local(guess.AddDays(-1)).Offset, local(guess.AddDays(1)).Offset }.Distinct()
            .Select(offset => new DateTimeOffset(guess.DateTime, offset))
            .Where(at => local(at).DateTime == guess.DateTime)
            .OrderBy(at => at)];
    }

    /// <summary>The last time, up to now, that a clock there showed this: today or yesterday; null where today leaves it out.</summary>
    public static DateTimeOffset? Last(TimeOnly clock, DateTimeOffset now, Func<DateTimeOffset, DateTimeOffset> local)
    {
        var today = local(now).Date;
        if (Of(today + clock.ToTimeSpan(), local) is not { Count: > 0 } here)
        {
            return null;
        }

        return here.Where(at => at <= now).Cast<DateTimeOffset?>().LastOrDefault() ?? Of(today.AddDays(-1) + clock.ToTimeSpan(), local)
            .Cast<DateTimeOffset?>().LastOrDefault();
    }
}
