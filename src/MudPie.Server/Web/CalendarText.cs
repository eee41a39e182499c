using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;

namespace MudPie.Server.Web;

/// <summary>Dates as iCalendar.</summary>
/// <param name="name">What the calendar is of.</param>
/// <param name="now">When it was written.</param>
public sealed class CalendarText(string name, DateTimeOffset now)
{
    private static readonly DateTimeOffset Earliest = new(1980, 1, 1, 0, 0, 0, TimeSpan.Zero);
    private static readonly DateTimeOffset Latest = new(2200, 1, 1, 0, 0, 0, TimeSpan.Zero);
    private readonly Ical.Net.Calendar _calendar = new() { ProductId = $"-//Mud Pie//{name}//EN" };

    /// <summary>An event; a date that no calendar holds is left out, and its own page shows it.</summary>
    /// <param name="uid">Its own name, the same each time.</param>
    /// <param name="at">When.</param>
    /// <param name="minutes">How long, 5 at least.</param>
    /// <param name="what">In a few words.</param>
    /// <param name="how">More of it.</param>
    public void Add(string uid, DateTimeOffset at, double minutes, string what, string how)
    {
        if (at < Earliest || at > Latest)
        {
            return;
        }

        _calendar.Events.Add(new CalendarEvent {
            Uid = $"{uid}@mudpie",
            DtStamp = new CalDateTime(now.UtcDateTime),
            Start = new CalDateTime(at.UtcDateTime),
            End = new CalDateTime(at.AddMinutes(Math.Max(minutes, 5)).UtcDateTime),
            Summary = what,
            Description = how,
        });
    }

    /// <summary>As a file.</summary>
    public ContentHttpResult Answer() => TypedResults.Text(new CalendarSerializer().SerializeToString(_calendar), "text/calendar");
}
