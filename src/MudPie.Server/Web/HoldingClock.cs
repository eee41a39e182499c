using System.Globalization;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Records;
using MudPie.Records.Ground;
using NodaTime;

namespace MudPie.Server.Web;

/// <summary>The holding that this process serves, and the time there.</summary>
public sealed class HoldingClock(HoldingDb db, TimeProvider time)
{
    private Holding? _holding;

    /// <summary>Now, UTC.</summary>
    public DateTimeOffset Now => time.GetUtcNow();

    /// <summary>The holding, or null before it is set up.</summary>
    public async Task<Holding?> Find() => _holding ??= await db.Holdings.AsNoTracking().OrderBy(h => h.Id).FirstOrDefaultAsync();

    /// <summary>How it writes days, hours and money, once it is found: two that are alike write alike.</summary>
    public (bool MonthFirst, bool Hours12, string Currency) Writing => _holding is { } h ? (h.MonthFirst, h.Hours12, h.Currency)
        : (false, false, "");

    /// <summary>What a request is answered in, so that every sentence writes as the holding does; the plain way where its file can't be
    /// read, which whatever asks for it will say.</summary>
    public async Task<CultureInfo> Culture()
    {
        try
        {
            _ = await Find();
        }
        catch (Exception e) when (e is System.Data.Common.DbException or HoldingFileException)
        {
        }

        return Core.Workings.Writing.Of(Writing.MonthFirst, Writing.Hours12, Writing.Currency);
    }

    /// <summary>Units to answer in.</summary>
    public async Task<UnitSystem> Units() => (await Find())?.Units ?? UnitSystem.Metric;

    /// <summary>A moment in the holding's own zone.</summary>
    public async Task<Func<DateTimeOffset, DateTimeOffset>> Local() => In((await Find())?.Zone ?? "UTC");

    /// <summary>The first moments of so many days from today on, and of the day after them, in the holding's own zone: a day in which
    /// the clocks change has 23 or 25 hours.</summary>
    public async Task<IReadOnlyList<DateTimeOffset>> DaysOn(int days)
    {
        var zone = DateTimeZoneProviders.Tzdb.GetZoneOrNull((await Find())?.Zone ?? "UTC") ?? DateTimeZone.Utc;
        var today = Instant.FromDateTimeOffset(Now).InZone(zone).Date;
        return [.. Enumerable.Range(0, days + 1).Select(n => zone.AtStartOfDay(today.PlusDays(n)).ToInstant().ToDateTimeOffset())];
    }

    /// <summary>A moment in a zone; UTC where the zone is not known.</summary>
    /// <remarks>Before clocks were set by zones they went by the sun, to the second; such an offset is rounded to the minute, and held
    /// to 14 hours, which is what a written time can carry.</remarks>
    public static Func<DateTimeOffset, DateTimeOffset> In(string zone)
    {
        var found = DateTimeZoneProviders.Tzdb.GetZoneOrNull(zone) ?? DateTimeZone.Utc;
        return at => at.ToOffset(TimeSpan.FromMinutes(Math.Clamp(
            Math.Round(found.GetUtcOffset(Instant.FromDateTimeOffset(at)).ToTimeSpan().TotalMinutes), -14 * 60, 14 * 60)));
    }

    /// <summary>True for a zone of the tz database.</summary>
    public static bool Knows(string zone) => DateTimeZoneProviders.Tzdb.GetZoneOrNull(zone) is not null;
}
