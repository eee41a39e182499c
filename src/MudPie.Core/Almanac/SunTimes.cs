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
    /// <summary>Height of the sun's centre at rise and set: its half disc of 16′ and usual refraction of 34′, degrees.</summary>
    public const double EdgeDeg = Sun.RiseDeg;

    /// <summary>Next rise and set within a day, to about ten seconds of the equations (NOAA, after Meeus); polar day and night said as
    /// such.</summary>
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
            checks.Add("fromUtc", from is null ? "No time was given." : "The equations hold from 1901 to 2099.",
                "Give a time as 2026-06-21T00:00:00Z.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var start = from!.Value;
        double Height(DateTimeOffset at) => Sun.ElevationDeg(at, lat, lon);
        // Every four minutes, and at the very turns of the day: near the polar circles the sun may show for a minute only.
        var marks = Enumerable.Range(0, 361).Select(i => start.AddMinutes(i * 4)).ToList();
        for (var i = 361 - 2; i > 0; i--)
        {
            var (left, here, right) = (Height(marks[i - 1]), Height(marks[i]), Height(marks[i + 1]));
            if ((here >= left && here >= right) || (here <= left && here <= right))
            {
                var turn = Turn(marks[i - 1], marks[i + 1], here >= left, Height);
                marks.Insert(turn < marks[i] ? i : i + 1, turn);
            }
        }

        DateTimeOffset? Crossing(bool up)
        {
            for (var i = 1; i < marks.Count; i++)
            {
                var (a, b) = (marks[i - 1], marks[i]);
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
        var noon = marks.Max(Height);
        var above = Height(start) >= EdgeDeg;
        var state = rise is null && set is null ? above ? "polarDay" : "polarNight" : above ? "day" : "night";
        return Worked.Of(
            new SunAnswer(rise, set, noon, state), "", Evidence.ChemistryOrPhysics,
            [new("sun", "upper edge of the sun on the horizon: its centre at −0.833° (half disc 16′, refraction 34′)",
                $"{Say.Number(lat, 5)}°, {Say.Number(lon, 5)}°", state, "equations of the NOAA solar calculator, after Meeus 1998")]);
    }

    /// <summary>The highest or lowest moment between two, by thirds.</summary>
    private static DateTimeOffset Turn(DateTimeOffset a, DateTimeOffset b, bool highest, Func<DateTimeOffset, double> height)
    {
        while (b - a > TimeSpan.FromSeconds(1))
        {
            var third = (b - a) / 3;
            var (x, y) = (height(a + third), height(b - third));
            (a, b) = x < y == highest ? (a + third, b) : (a, b - third);
        }

        return a;
    }
}
