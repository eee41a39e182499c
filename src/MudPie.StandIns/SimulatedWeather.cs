using MudPie.Core.Almanac;

namespace MudPie.StandIns;

/// <summary>A simulated weather service: hours that follow from the place and the date alone, with plausible seasons. No real weather is
/// behind it, and it says so.</summary>
/// <param name="Seed">Another seed is another climate's luck.</param>
/// <param name="FairEveningOf">Makes the evening of that day fit to spray in, so that a demonstration has one; null leaves it to the
/// seed.</param>
public sealed record SimulatedWeather(long Seed = 1, DateTimeOffset? FairEveningOf = null)
{
    /// <summary>Hours from a moment on.</summary>
    /// <param name="latitude">−90 to 90°.</param>
    /// <param name="longitude">−180 to 180°.</param>
    /// <param name="from">Its hour is the first.</param>
    /// <param name="hours">1 to 400.</param>
    public IReadOnlyList<WeatherHour> Hours(double latitude, double longitude, DateTimeOffset from, int hours)
    {
        var first = new DateTimeOffset(from.UtcTicks / TimeSpan.TicksPerHour * TimeSpan.TicksPerHour, TimeSpan.Zero);
        return [.. Enumerable.Range(0, Math.Clamp(hours, 1, 400)).Select(i => Hour(latitude, longitude, first.AddHours(i)))];
    }

    private WeatherHour Hour(double latitude, double longitude, DateTimeOffset at)
    {
        var place = HashCode(Math.Round(latitude, 1), Math.Round(longitude, 1), Seed);
        var days = at.UtcTicks / (double)TimeSpan.TicksPerDay;
        var solar = (((at.UtcDateTime.TimeOfDay.TotalHours + (longitude / 15)) % 24) + 24) % 24;
        var season = -Math.Cos((at.DayOfYear - 20) / 365.25 * 2 * Math.PI) * Math.Sign(latitude == 0 ? 1 : latitude);
        var cloud = Math.Clamp(0.5 + (0.55 * Noise(place, 1, days / 1.3)), 0, 1);
        var day = Math.Cos((solar - 15) / 24 * 2 * Math.PI);
        var warmth = 28 - (0.35 * Math.Abs(latitude)) + (0.13 * Math.Abs(latitude) * season) + (4 * Noise(place, 2, days / 2.7))
            + ((1.2 + (4.5 * (1 - cloud))) * day);
        var wind = Math.Max(0.1, (3.2 + (2.6 * Noise(place, 3, days / 0.9)) + (0.7 * Noise(place, 4, days * 6))) * (0.85 + (0.35 * day)));
        var wet = Noise(place, 5, days / 1.1) + (0.5 * Noise(place, 6, days * 3)) + (cloud - 0.5);
        var rain = wet > 0.75 ? Math.Round((wet - 0.75) * 3.5 * (1 + Noise(place, 7, days * 24)), 1) : 0;
        var humidity = Math.Clamp(0.78 + (0.12 * (cloud - 0.5)) - (0.16 * day) + (rain > 0 ? 0.12 : 0), 0.25, 1);
        if (Fair(at, solar))
        {
            (wind, rain, warmth, cloud) = (2 + (0.4 * Noise(place, 4, days * 6)), 0, Math.Clamp(warmth, 7, 22), Math.Min(cloud, 0.4));
        }

        return new WeatherHour(at, Math.Round(warmth, 1), Math.Round(wind, 1), Math.Max(0, rain), Math.Round(cloud, 2),
            Math.Round(humidity, 2));
    }

    private bool Fair(DateTimeOffset at, double solar)
    {
        if (FairEveningOf is not { } day)
        {
            return false;
        }

        var hours = (at - day).TotalHours;
        return (solar is >= 13 or < 3) && hours is > -12 and < 24;
    }

    /// <summary>Smooth noise, −1 to 1: hashed values at whole steps, joined by a cubic.</summary>
    private static double Noise(ulong place, ulong kind, double x)
    {
        var whole = Math.Floor(x);
        var (a, b, f) = (Unit(place, kind, (long)whole), Unit(place, kind, (long)whole + 1), x - whole);
        return a + ((b - a) * f * f * (3 - (2 * f)));
    }

    private static double Unit(ulong place, ulong kind, long step) =>
        (Mix(place ^ (kind * 0x9E3779B97F4A7C15) ^ ((ulong)step * 0xBF58476D1CE4E5B9)) / (double)ulong.MaxValue * 2) - 1;

    private static ulong HashCode(double latitude, double longitude, long seed) =>
        Mix((ulong)BitConverter.DoubleToInt64Bits(latitude) ^ Mix((ulong)BitConverter.DoubleToInt64Bits(longitude) + 7)
            ^ Mix((ulong)seed + 13));

    private static ulong Mix(ulong x) // splitmix64, Steele and others 2014
    {
        x += 0x9E3779B97F4A7C15;
        x = (x ^ (x >> 30)) * 0xBF58476D1CE4E5B9;
        x = (x ^ (x >> 27)) * 0x94D049BB133111EB;
        return x ^ (x >> 31);
    }
}
