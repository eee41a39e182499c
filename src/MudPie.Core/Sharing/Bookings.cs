using MudPie.Core.Workings;

namespace MudPie.Core.Sharing;

/// <summary>A time for which a shared vessel is spoken for.</summary>
/// <param name="Id">Its number.</param>
/// <param name="By">The holding, by its name at the box.</param>
/// <param name="Called">What that holding calls itself.</param>
/// <param name="From">The first moment of it.</param>
/// <param name="Until">The first moment after it.</param>
public sealed record Booked(int Id, string By, string Called, DateTimeOffset From, DateTimeOffset Until)
{
    /// <summary>Whether it takes any of another time: one that begins as another ends does not.</summary>
    public bool Meets(DateTimeOffset from, DateTimeOffset until) => From < until && from < Until;
}

/// <summary>The times for which a vessel is booked that several holdings share: no two at once.</summary>
public static class Bookings
{
    /// <summary>The longest time that can be booked at once, days: 28.</summary>
    public const int MostDays = 28;

    /// <summary>How far ahead a booking may begin, days: 366.</summary>
    public const int MostAhead = 366;

    /// <summary>Bookings of one holding that may lie ahead of one vessel: 6, so that nobody books a season away.</summary>
    public const int MostOfOne = 6;

    private static readonly TimeSpan Least = TimeSpan.FromHours(1), Grace = TimeSpan.FromMinutes(5);

    /// <summary>Books a time.</summary>
    /// <param name="by">The holding that books, by its name at the box.</param>
    /// <param name="called">What it calls itself.</param>
    /// <param name="from">When it begins: not before now, at most 366 days ahead.</param>
    /// <param name="until">When it ends: an hour to 28 days later.</param>
    /// <param name="standing">All bookings of the vessel that stand.</param>
    /// <param name="now">Now.</param>
    /// <param name="local">To the holding's own zone, for what is said.</param>
    /// <returns>The booking, or why not: who has it then, and from when it is free for as long.</returns>
    /// <remarks>Booked by Hill Garden from 12 June 08:00 to 14 June 18:00: from 14 June 18:00 it can be booked, from 17:00 it can't,
    /// and three hours are free from 18:00. House rule; a booking is a promise between growers, no more.</remarks>
    public static Ruling<Booked> Book(string by, string called, DateTimeOffset? from, DateTimeOffset? until,
        IReadOnlyCollection<Booked> standing, DateTimeOffset now, Func<DateTimeOffset, DateTimeOffset> local)
    {
        var checks = new Checks();
        if (from is not { } begins)
        {
            checks.Add("from", "It was not said from when.", "Give the day and the hour at which you fetch it.");
            begins = now;
        }
        else if (begins < now - Grace || begins > now.AddDays(MostAhead))
        {
            checks.Add("from", begins < now ? "That time is over." : "That is more than a year ahead.",
                "Give a time from now on, within a year.");
        }

        if (until is not { } ends)
        {
            checks.Add("until", "It was not said until when.", "Give the day and the hour at which you hand it on.");
        }
        else if (checks.Sound && (ends - begins < Least || ends - begins > TimeSpan.FromDays(MostDays)))
        {
            checks.Add("until", ends <= begins ? "It ends before it begins."
                : ends - begins < Least ? "That is less than an hour." : $"That is more than {MostDays} days.",
                $"Book an hour at least and {MostDays} days at most; book again for more.");
        }
        else if (checks.Sound && standing.Where(b => b.Meets(begins, ends)).MinBy(b => b.From) is { } taken)
        {
            var free = FreeFrom(begins, ends - begins, standing);
            checks.Add("from", $"{taken.Called} has it from {At(taken.From, local)} to {At(taken.Until, local)}.",
                $"It is free for as long from {At(free, local)}.");
        }
        else if (checks.Sound && standing.Count(b => b.By == by && b.Until > now) >= MostOfOne)
        {
            checks.Add("from", $"You have it booked {MostOfOne} times ahead already.", "Call one off first: others want it too.");
        }

        return checks.Sound ? Worked.Of(new Booked(0, by, called, begins, until!.Value), "", Evidence.MeasuredHere) : checks.Refusal;
    }

    /// <summary>The first moment from which a vessel is free for so long.</summary>
    /// <param name="from">Not before.</param>
    /// <param name="length">For how long.</param>
    /// <param name="standing">All bookings that stand.</param>
    /// <returns>Of bookings from 8 to 10 and from 11 to 12, for two hours from 9: 12.</returns>
    public static DateTimeOffset FreeFrom(DateTimeOffset from, TimeSpan length, IEnumerable<Booked> standing)
    {
        foreach (var b in standing.OrderBy(b => b.From))
        {
            from = b.Meets(from, from + length) ? b.Until : from;
        }

        return from;
    }

    /// <summary>Whose turn is next after whoever has it: of the bookings that are not over, the first of somebody else.</summary>
    /// <param name="heldBy">Who has it.</param>
    /// <param name="standing">All bookings that stand.</param>
    /// <param name="now">Now.</param>
    /// <returns>Null where it goes back to whoever it belongs to.</returns>
    public static Booked? Next(string heldBy, IEnumerable<Booked> standing, DateTimeOffset now) =>
        standing.Where(b => b.By != heldBy && b.Until > now).MinBy(b => b.From);

    /// <summary>A moment as it is said: "12 Jun 08:00".</summary>
    public static string At(DateTimeOffset at, Func<DateTimeOffset, DateTimeOffset> local) => $"{Say.Day(local(at))} {Say.Time(local(at))}";
}
