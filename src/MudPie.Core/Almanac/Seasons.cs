using MudPie.Core.Workings;

namespace MudPie.Core.Almanac;

/// <summary>The four turns of a year, UTC.</summary>
/// <param name="Year">Which.</param>
/// <param name="MarchEquinox">Spring in the north, autumn in the south.</param>
/// <param name="JuneSolstice">Longest day in the north, shortest in the south.</param>
/// <param name="SeptemberEquinox">Autumn in the north, spring in the south.</param>
/// <param name="DecemberSolstice">Shortest day in the north, longest in the south.</param>
public sealed record SeasonsAnswer(int Year, DateTimeOffset MarchEquinox, DateTimeOffset JuneSolstice, DateTimeOffset SeptemberEquinox,
    DateTimeOffset DecemberSolstice);

/// <summary>Equinoxes and solstices, after Meeus, Astronomical Algorithms (1998), chapter 27.</summary>
public static class Seasons
{
    private const string Source = "Meeus, Astronomical Algorithms (1998), chapter 27; true to about half a minute";

    // Mean instants by powers of (year − 2000) ÷ 1000, days of even time.
    private static readonly double[][] Mean =
    [
        [2451623.80984, 365242.37404, 0.05169, -0.00411, -0.00057],
        [2451716.56767, 365241.62603, 0.00325, 0.00888, -0.00030],
        [2451810.21715, 365242.01767, -0.11575, 0.00337, 0.00078],
        [2451900.05952, 365242.74049, -0.06223, -0.00823, 0.00032],
    ];

    private static readonly (double A, double B, double C)[] Periodic =
    [
        (485, 324.96, 1934.136), (203, 337.23, 32964.467), (199, 342.08, 20.186), (182, 27.85, 445267.112), (156, 73.14, 45036.886),
        (136, 171.52, 22518.443), (77, 222.54, 65928.934), (74, 296.72, 3034.906), (70, 243.58, 9037.513), (58, 119.81, 33718.147),
        (52, 297.17, 150.678), (50, 21.02, 2281.226), (45, 247.54, 29929.562), (44, 325.15, 31555.956), (29, 60.93, 4443.417),
        (18, 155.12, 67555.328), (17, 288.79, 4562.452), (16, 198.04, 62894.029), (14, 199.76, 31436.921), (12, 95.39, 14577.848),
        (12, 287.11, 31931.756), (12, 320.81, 34777.259), (9, 227.73, 1222.114), (8, 15.45, 16859.074),
    ];

    /// <summary>The four instants of a year.</summary>
    /// <param name="year">1901 to 2099; refused outside.</param>
    /// <remarks>2026: 20 March 14:45:53, 21 June 08:24:31, 23 September 00:05:09 and 21 December 20:49:59 UTC, to half a minute. Source:
    /// Meeus 1998, chapter 27.</remarks>
    public static Ruling<SeasonsAnswer> Of(int? year)
    {
        var checks = new Checks();
        if (year is not (>= DynamicalTime.First and <= DynamicalTime.Last))
        {
            checks.Add("year", year is null ? "No year was given." : "The sums hold from 1901 to 2099.", "Give a year as 2026.");
            return checks.Refusal;
        }

        var at = Instants(year.Value);
        return Worked.Of(new SeasonsAnswer(year.Value, at[0], at[1], at[2], at[3]), "", Evidence.ChemistryOrPhysics,
            new[] { "March equinox", "June solstice", "September equinox", "December solstice" }.Zip(at, (name, when) => new WorkingLine(
                name, "mean instant of the year + 24 periodic terms − the lag of clocks", $"{year}",
                when.ToString("d MMM HH:mm:ss", System.Globalization.CultureInfo.InvariantCulture) + " UTC", Source)));
    }

    /// <summary>March, June, September, December, UTC, of a year between 1901 and 2099.</summary>
    internal static DateTimeOffset[] Instants(int year)
    {
        var y = (year - 2000) / 1000.0;
        return [.. Mean.Select(m =>
        {
            var mean = m[0] + (y * (m[1] + (y * (m[2] + (y * (m[3] + (y * m[4])))))));
            var t = (mean - DynamicalTime.J2000) / 36525;
            var w = (35999.373 * t) - 2.47;
            var slow = 1 + (0.0334 * DynamicalTime.Cos(w)) + (0.0007 * DynamicalTime.Cos(2 * w));
            return DynamicalTime.Clock(mean + (0.00001 * Periodic.Sum(p => p.A * DynamicalTime.Cos(p.B + (p.C * t))) / slow));
        })];
    }
}
