using MudPie.Core.Workings;

namespace MudPie.Core.Almanac;

/// <summary>The sun at a place from a moment on.</summary>
/// <param name="NextRise">Next sunrise, UTC; null where there is none within a day.</param>
/// <param name="NextSet">Next sunset, UTC; null where there is none within a day.</param>
/// <param name="NoonElevationDeg">Highest over the coming 24 h, degrees, without refraction.</param>
/// <param name="State">"day", "night", "polarDay" or "polarNight".</param>
public sealed record SunAnswer(DateTimeOffset? NextRise, DateTimeOffset? NextSet, double NoonElevationDeg, string State);

/// <summary>Sunrise and sunset.</summary>
public static class SunTimes
{
    /// <summary>Height of the sun's centre when its upper edge stands at −50′: 16′ lower still, degrees. Taken so in the reference; an edge at the plain horizon with usual refraction comes some two minutes nearer to noon.</summary>
    public const double EdgeDeg = Sun.RiseDeg - 0.2667;

    /// <summary>Next rise and set within a day, to about ten seconds of the equations (NOAA, after Meeus); polar day and night said as such.</summary>
    /// <param name="latitude">−90 to 90, north positive.</param>
    /// <param name="longitude">−180 to 180, east positive.</param>
    /// <param name="from">From when.</param>
    public static Ruling<SunAnswer> From(double? latitude, double? longitude, DateTimeOffset? from)
    {
        var checks = new Checks();
        var lat = checks.Range("latitude", latitude, -90, 90, "°");
        var lon = checks.Range("longitude", longitude, -180, 180, "°");
        if (from is not { Year: >= 1901 and <= 2099 })
        {
            checks.Add("fromUtc", from is null ? "No time was given." : "The equations hold from 1901 to 2099.", "Give a time as 2026-06-21T00:00:00Z.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var start = from!.Value;
        double Height(DateTimeOffset at) => Sun.ElevationDeg(at, lat, lon);
        DateTimeOffset? Crossing(bool up)
        {
            for (var m = 0; m < 1440; m += 2)
            {
                var (a, b) = (start.AddMinutes(m), start.AddMinutes(m + 2));
                if (Height(a) < EdgeDeg != Height(b) < EdgeDeg && Height(b) >= EdgeDeg == up)
                {
                    while (b - a > TimeSpan.FromMilliseconds(500))
                    {
                        var middle = a + ((b - a) / 2);
                        (a, b) = Height(middle) >= EdgeDeg == up ? (a, middle) : (middle, b);
                    }

                    return b;
                }
            }

            return null;
        }

        var (rise, set) = (Crossing(true), Crossing(false));
        var noon = Enumerable.Range(0, 1441).Max(m => Height(start.AddMinutes(m)));
        var above = Height(start) >= EdgeDeg;
        var state = rise is null && set is null ? above ? "polarDay" : "polarNight" : above ? "day" : "night";
        return Worked.Of(
            new SunAnswer(rise, set, noon, state), "", Evidence.ChemistryOrPhysics,
            [new("sun", "upper edge of the sun through −50′ (centre at −1.10°)", $"{Say.Number(lat, 5)}°, {Say.Number(lon, 5)}°", state, "equations of the NOAA solar calculator, after Meeus 1998")]);
    }
}
