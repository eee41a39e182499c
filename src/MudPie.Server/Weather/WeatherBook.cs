using Microsoft.EntityFrameworkCore;
using MudPie.Core.Almanac;
using MudPie.Core.Measures;
using MudPie.Records;
using MudPie.Records.Weather;

namespace MudPie.Server.Weather;

/// <summary>The weather that is known, by the hour: from a service, or from a file that the grower brought.</summary>
public sealed class WeatherBook(HoldingDb db)
{
    /// <summary>Hours within a span.</summary>
    public async Task<IReadOnlyList<WeatherHour>> Hours(DateTimeOffset from, DateTimeOffset to) =>
        [.. (await db.Weather.AsNoTracking().Where(w => w.At >= from && w.At < to).OrderBy(w => w.At).Take(400).ToListAsync()).Select(w =>
            new WeatherHour(w.At, w.TemperatureC, w.WindMps, w.RainMm, w.CloudShare, w.HumidityShare, w.GustMps, w.LeafWet))];

    /// <summary>The weather of a moment in words, for the record; null where it is not known.</summary>
    public async Task<string?> At(DateTimeOffset at, UnitSystem units)
    {
        var from = at.AddHours(-1);
        var hour = await db.Weather.AsNoTracking().Where(w => w.At > from && w.At <= at).OrderByDescending(w => w.At).FirstOrDefaultAsync();
        return hour is null
            ? null : $"{Units.Show(hour.TemperatureC, Dimension.Temperature, units)}, wind {Per.Wind(hour.WindMps, units)}, "
                + $"{(hour.RainMm > 0 ? $"{Per.Depth(hour.RainMm, units)} of rain" : "dry")}"
                + $"{(hour.Source == "simulated" ? " (simulated)" : "")}";
    }

    /// <summary>Puts hours in; those of a file are not overwritten by a service.</summary>
    public async Task<int> Put(IReadOnlyList<WeatherHour> hours, string source)
    {
        if (hours.Count == 0)
        {
            return 0;
        }

        var (from, to) = (hours.Min(h => h.At), hours.Max(h => h.At));
        var known = await db.Weather.Where(w => w.At >= from && w.At <= to).ToDictionaryAsync(w => w.At);
        var put = 0;
        foreach (var hour in hours.DistinctBy(h => h.At))
        {
            var row = known.GetValueOrDefault(hour.At);
            if (row is { Source: "file" } && source != "file")
            {
                continue;
            }

            if (row is null)
            {
                row = new WeatherHourKept { At = hour.At, Source = source };
                db.Weather.Add(row);
            }

            (row.TemperatureC, row.WindMps, row.RainMm, row.CloudShare, row.HumidityShare, row.GustMps, row.LeafWet, row.Source) =
                (hour.TemperatureC, hour.WindMps, hour.RainMm, hour.CloudShare, hour.HumidityShare, hour.GustMps, hour.LeafWet, source);
            put++;
        }

        await db.SaveChangesAsync();
        return put;
    }
}
