namespace MudPie.Core.Almanac;

/// <summary>A stretch of the day by the height of the sun.</summary>
/// <param name="From">Start.</param>
/// <param name="To">End.</param>
/// <param name="Light">"night" below the horizon, "low" up to 20°, "high" above.</param>
public sealed record SunStretch(DateTimeOffset From, DateTimeOffset To, string Light);

/// <summary>Where the sun stands. Equations of the NOAA solar calculator, after Meeus 1998.</summary>
public static class Sun
{
    /// <summary>How high it stands at noon of an equinox, degrees.</summary>
    /// <param name="latitude">−90 to 90°.</param>
    /// <remarks>52.5°: 37.5° high.</remarks>
    public static double EquinoxNoonDeg(double latitude) => 90 - Math.Abs(latitude);

    /// <summary>Elevation at which the sun's upper edge touches the horizon, with refraction, degrees.</summary>
    public const double RiseDeg = -0.833;

    /// <summary>Below this the light is low enough for leaves, degrees. Practitioners' rule.</summary>
    public const double LowDeg = 20;

    private const double Rad = Math.PI / 180;

    /// <summary>Elevation of the sun's centre above the horizon, degrees, without refraction; true to about 0.01° from 1950 to
    /// 2050.</summary>
    /// <param name="at">When.</param>
    /// <param name="latitude">−90 to 90, north positive.</param>
    /// <param name="longitude">−180 to 180, east positive.</param>
    /// <remarks>On 21 June at noon, 52.5° N, it is 60.9°.</remarks>
    public static double ElevationDeg(DateTimeOffset at, double latitude, double longitude)
    {
        var julianDay = (at.UtcTicks / (double)TimeSpan.TicksPerDay) + 1721425.5;
        var t = (julianDay - 2451545) / 36525;
        var meanLongitude = (280.46646 + (t * (36000.76983 + (t * 0.0003032)))) % 360;
        var anomaly = 357.52911 + (t * (35999.05029 - (0.0001537 * t)));
        var eccentricity = 0.016708634 - (t * (0.000042037 + (0.0000001267 * t)));
        var centre = (Math.Sin(anomaly * Rad) * (1.914602 - (t * (0.004817 + (0.000014 * t)))))
            + (Math.Sin(2 * anomaly * Rad) * (0.019993 - (0.000101 * t))) + (Math.Sin(3 * anomaly * Rad) * 0.000289);
        var node = 125.04 - (1934.136 * t);
        var apparent = meanLongitude + centre - 0.00569 - (0.00478 * Math.Sin(node * Rad));
        var obliquity = 23 + ((26 + ((21.448 - (t * (46.815 + (t * (0.00059 - (t * 0.001813)))))) / 60)) / 60)
            + (0.00256 * Math.Cos(node * Rad));
        var declination = Math.Asin(Math.Sin(obliquity * Rad) * Math.Sin(apparent * Rad));
        var y = Math.Pow(Math.Tan(obliquity / 2 * Rad), 2);
        var equationOfTime = 4 / Rad * ((y * Math.Sin(2 * meanLongitude * Rad)) - (2 * eccentricity * Math.Sin(anomaly * Rad))
            + (4 * eccentricity * y * Math.Sin(anomaly * Rad) * Math.Cos(2 * meanLongitude * Rad))
            - (0.5 * y * y * Math.Sin(4 * meanLongitude * Rad)) - (1.25 * eccentricity * eccentricity * Math.Sin(2 * anomaly * Rad)));
        var solarMinutes = at.UtcDateTime.TimeOfDay.TotalMinutes + equationOfTime + (4 * longitude);
        var hourAngle = ((solarMinutes / 4) - 180) * Rad;
        var sine = (Math.Sin(latitude * Rad) * Math.Sin(declination))
            + (Math.Cos(latitude * Rad) * Math.Cos(declination) * Math.Cos(hourAngle));
        return Math.Asin(Math.Clamp(sine, -1, 1)) / Rad;
    }

    /// <summary>Night, low sun and high sun over a span of up to ten days, edges true to a second of the equations.</summary>
    public static IReadOnlyList<SunStretch> Stretches(DateTimeOffset from, DateTimeOffset to, double latitude, double longitude)
    {
        var list = new List<SunStretch>();
        var step = TimeSpan.FromMinutes(5);
        var (start, light) = (from, LightAt(from, latitude, longitude));
        for (var at = from + step; at < to && at < from.AddDays(10); at += step)
        {
            var next = LightAt(at, latitude, longitude);
            if (next != light)
            {
                var edge = Edge(at - step, at, light, latitude, longitude);
                list.Add(new SunStretch(start, edge, light));
                (start, light) = (edge, next);
            }
        }

        list.Add(new SunStretch(start, to, light));
        return list;
    }

    private static string LightAt(DateTimeOffset at, double latitude, double longitude) =>
        ElevationDeg(at, latitude, longitude) switch { < RiseDeg => "night", < LowDeg => "low", _ => "high" };

    private static DateTimeOffset Edge(DateTimeOffset low, DateTimeOffset high, string light, double latitude, double longitude)
    {
        while (high - low > TimeSpan.FromSeconds(1))
        {
            var middle = low + ((high - low) / 2);
            (low, high) = LightAt(middle, latitude, longitude) == light ? (middle, high) : (low, middle);
        }

        return high;
    }
}
