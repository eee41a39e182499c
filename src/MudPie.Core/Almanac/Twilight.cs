namespace MudPie.Core.Almanac;

/// <summary>Light of one day at a place, hours of the holding's own clock from its midnight; null where the sun does not cross that
/// height.</summary>
/// <param name="Day">Which.</param>
/// <param name="DawnH">First light: the sun at −6° (civil twilight).</param>
/// <param name="RiseH">Sunrise.</param>
/// <param name="SetH">Sunset.</param>
/// <param name="DuskH">Last light, −6°.</param>
/// <param name="UpAtNoon">True where the sun is above the horizon at its highest: tells polar day from polar night.</param>
public sealed record DayLight(DateOnly Day, double? DawnH, double? RiseH, double? SetH, double? DuskH, bool UpAtNoon);

/// <summary>Dusk and dawn.</summary>
public static class Twilight
{
    /// <summary>Civil twilight begins and ends with the sun's centre at this height, degrees.</summary>
    public const double CivilDeg = -6;

    /// <summary>Light of a day.</summary>
    /// <param name="day">Which.</param>
    /// <param name="midnight">Its beginning at the place, UTC.</param>
    /// <param name="hours">How long that day is by the clock: 24, or 23 and 25 where clocks change.</param>
    /// <param name="latitude">−90 to 90.</param>
    /// <param name="longitude">−180 to 180.</param>
    public static DayLight Of(DateOnly day, DateTimeOffset midnight, double hours, double latitude, double longitude)
    {
        double Height(double h) => Sun.ElevationDeg(midnight.AddHours(h), latitude, longitude);
        // The turn of the day within a minute: the sun is highest about 12 h of solar time, that is 12 − longitude ÷ 15 of UTC.
        var noon = Enumerable.Range(0, (int)(hours * 4)).Select(i => i / 4.0).MaxBy(Height);
        double? Cross(double deg, bool rising)
        {
            var (low, high) = rising ? (Math.Max(0, noon - 12), noon) : (noon, Math.Min(hours, noon + 12));
            if (Height(low) < deg == Height(high) < deg)
            {
                return null;
            }

            while (high - low > 0.002)
            {
                var middle = (low + high) / 2;
                (low, high) = Height(middle) < deg == rising ? (middle, high) : (low, middle);
            }

            return (low + high) / 2;
        }

        return new DayLight(day, Cross(CivilDeg, true), Cross(Sun.RiseDeg, true), Cross(Sun.RiseDeg, false), Cross(CivilDeg, false),
            Height(noon) > Sun.RiseDeg);
    }
}
