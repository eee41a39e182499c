using MudPie.Core.Sharing;
using MudPie.Core.Workings;
using MudPie.Server.Held;
using MudPie.Server.Shared;
using MudPie.Server.Web;

namespace MudPie.Server.Today;

/// <summary>Shared vessels to be looked at, fetched and handed on.</summary>
internal static class TodayShared
{
    private static readonly TimeSpan Ahead = TimeSpan.FromHours(24);

    public static async Task<List<TodayItem>> Of(SharedDesk desk, HoldingPlace place, HoldingClock clock)
    {
        if (!desk.AtBox)
        {
            return [];
        }

        var (now, local) = (clock.Now, await clock.Local());
        return [.. (await desk.Vessels()).Select(v => One(v, desk, place.Name, now, local)).OfType<TodayItem>()];
    }

    private static TodayItem? One(SharedVessel v, SharedDesk desk, string here, DateTimeOffset now,
        Func<DateTimeOffset, DateTimeOffset> local)
    {
        TodayItem Item(int urgency, string title, string detail, DateTimeOffset at) => new($"shared-{v.Id}", urgency, title, detail,
            "Shared vessels", "/brew/shared", at);
        var stands = desk.Stands(v);
        var mine = v.Bookings.Where(b => b.Holding == here && b.Until > now).MinBy(b => b.From);
        if (stands == Whereabouts.Coming && SharedDesk.Last(v) is { } last)
        {
            return Item(1, $"{last.FromCalled} handed {v.Name} to you", "look at it, and say how it came", last.GivenAt);
        }

        if (stands != Whereabouts.Here)
        {
            return mine is not null && mine.From < now + Ahead
                ? Item(2, $"Fetch {v.Name}", $"booked for you from {Say.Clock(mine.From, now, local)}", mine.From) : null;
        }

        if (mine is not null && mine.From <= now)
        {
            return mine.Until < now + Ahead && desk.HandTo(v).FirstOrDefault() is { } next
                ? Item(2, $"Hand {v.Name} over to {next.Called}", $"empty and clean by {Say.Clock(mine.Until, now, local)}", mine.Until)
                : null;
        }

        return Bookings.Next(here, v.Bookings.Select(SharedDesk.Booked), now) is { } booked && booked.From < now + Ahead
            ? Item(1, $"Hand {v.Name} over to {booked.Called}", $"booked from {Say.Clock(booked.From, now, local)}, empty and clean",
                booked.From)
            : v.Holding != here && mine is null ? Item(2, $"Take {v.Name} home", $"it is {v.Called}’s, and your time with it is over", now)
            : null;
    }
}
