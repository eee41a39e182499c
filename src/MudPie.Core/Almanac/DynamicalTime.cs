namespace MudPie.Core.Almanac;

/// <summary>Between clocks and the even time in which the sky is computed. Plain kernels on days and seconds.</summary>
internal static class DynamicalTime
{
    /// <summary>Julian day of 2000 January 1, noon.</summary>
    public const double J2000 = 2451545.0;

    /// <summary>Years in which the sky is told.</summary>
    public const int First = 1901, Last = 2099;

    // What clocks lagged by, s: measured to 2025 (IERS), and held level after it, as it has been since 2015.
    private static readonly (double Year, double S)[] Lag =
    [
        (1900, -2.8), (1910, 10.4), (1920, 21.2), (1930, 24.0), (1940, 24.3), (1950, 29.1), (1960, 33.2), (1970, 40.2), (1980, 50.5),
        (1990, 56.9), (1995, 60.8), (2000, 63.8), (2005, 64.7), (2010, 66.1), (2015, 67.6), (2020, 69.4), (2025, 69.1), (2040, 71.0),
        (2060, 78.0), (2100, 100.0),
    ];

    /// <summary>Even time less clock time (ΔT), s; between the years of the table along a straight line.</summary>
    public static double LagS(double year)
    {
        for (var i = 1; i < Lag.Length; i++)
        {
            if (year <= Lag[i].Year)
            {
                var (a, b) = (Lag[i - 1], Lag[i]);
                return a.S + ((b.S - a.S) * (Math.Max(year, a.Year) - a.Year) / (b.Year - a.Year));
            }
        }

        return Lag[^1].S;
    }

    /// <summary>A moment of even time as a moment of the clock, UTC.</summary>
    public static DateTimeOffset Clock(double julianEphemerisDay)
    {
        var year = 2000 + ((julianEphemerisDay - J2000) / 365.25);
        var days = julianEphemerisDay - (LagS(year) / 86400) - 1721425.5;
        return new DateTimeOffset((long)Math.Round(days * 86400) * TimeSpan.TicksPerSecond, TimeSpan.Zero);
    }

    /// <summary>Julian centuries of even time since 2000.</summary>
    public static double Centuries(DateTimeOffset at)
    {
        var days = (at.UtcTicks / (double)TimeSpan.TicksPerDay) + 1721425.5;
        var year = 2000 + ((days - J2000) / 365.25);
        return (days + (LagS(year) / 86400) - J2000) / 36525;
    }

    /// <summary>An angle between 0 and 360°.</summary>
    public static double Turn(double degrees) => degrees - (360 * Math.Floor(degrees / 360));

    public static double Sin(double degrees) => Math.Sin(degrees * Math.PI / 180);

    public static double Cos(double degrees) => Math.Cos(degrees * Math.PI / 180);
}
