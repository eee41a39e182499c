using static MudPie.Core.Almanac.DynamicalTime;

namespace MudPie.Core.Almanac;

/// <summary>Where the moon stands, seen from the middle of the earth.</summary>
/// <param name="LongitudeDeg">Along the ecliptic from the equinox of the day, 0 to 360°.</param>
/// <param name="LatitudeDeg">From the ecliptic, −5.3 to 5.3°.</param>
/// <param name="DistanceKm">356,000 to 407,000 km.</param>
/// <param name="DeclinationDeg">From the equator, −28.8 to 28.8°.</param>
public sealed record MoonPlace(double LongitudeDeg, double LatitudeDeg, double DistanceKm, double DeclinationDeg);

/// <summary>Moon's place, after Meeus, Astronomical Algorithms (1998), chapter 47: the larger terms, true to 0.01° and 40 km.</summary>
public static class Moon
{
    /// <summary>Where it stands.</summary>
    /// <param name="at">1901 to 2099.</param>
    /// <remarks>12 April 1992, 0 h even time: longitude 133.16°, latitude −3.23°, 368,410 km (Meeus, example 47.a).</remarks>
    public static MoonPlace At(DateTimeOffset at)
    {
        var t = Centuries(at);
        var l = 218.3164477 + (t * (481267.88123421 - (t * (0.0015786 - (t / 538841)))));
        var d = 297.8501921 + (t * (445267.1114034 - (t * (0.0018819 - (t / 545868)))));
        var m = 357.5291092 + (t * (35999.0502909 - (t * 0.0001536)));
        var p = 134.9633964 + (t * (477198.8675055 + (t * (0.0087414 + (t / 69699)))));
        var f = 93.272095 + (t * (483202.0175233 - (t * (0.0036539 + (t / 3526000)))));
        var e = 1 - (t * (0.002516 + (0.0000074 * t)));
        var (a1, a2, a3) = (119.75 + (131.849 * t), 53.09 + (479264.29 * t), 313.45 + (481266.484 * t));
        var (along, far, up) = (0.0, 0.0, 0.0);
        foreach (var x in Along)
        {
            var (angle, scale) = ((x.D * d) + (x.M * m) + (x.P * p) + (x.F * f), Math.Pow(e, Math.Abs(x.M)));
            along += x.Sine * scale * Sin(angle);
            far += x.Cosine * scale * Cos(angle);
        }

        foreach (var x in Up)
        {
            up += x.Sine * Math.Pow(e, Math.Abs(x.M)) * Sin((x.D * d) + (x.M * m) + (x.P * p) + (x.F * f));
        }

        along += (3958 * Sin(a1)) + (1962 * Sin(l - f)) + (318 * Sin(a2));
        up += (-2235 * Sin(l)) + (382 * Sin(a3)) + (175 * Sin(a1 - f)) + (175 * Sin(a1 + f)) + (127 * Sin(l - p)) - (115 * Sin(l + p));
        var node = 125.04 - (1934.136 * t);
        var (longitude, latitude) = (Turn(l + (along / 1e6) - (0.00478 * Sin(node))), up / 1e6);
        var tilt = 23.4392911 - (0.0130042 * t) + (0.00256 * Cos(node));
        var declination = Math.Asin((Sin(latitude) * Cos(tilt)) + (Cos(latitude) * Sin(tilt) * Sin(longitude))) * 180 / Math.PI;
        return new MoonPlace(longitude, latitude, 385000.56 + (far / 1000), declination);
    }

    private sealed record MoonTerm(int D, int M, int P, int F, double Sine, double Cosine);

    private static readonly MoonTerm[] Along =
    [
        new(0, 0, 1, 0, 6288774, -20905355), new(2, 0, -1, 0, 1274027, -3699111), new(2, 0, 0, 0, 658314, -2955968),
        new(0, 0, 2, 0, 213618, -569925), new(0, 1, 0, 0, -185116, 48888), new(0, 0, 0, 2, -114332, -3149),
        new(2, 0, -2, 0, 58793, 246158), new(2, -1, -1, 0, 57066, -152138), new(2, 0, 1, 0, 53322, -170733),
        new(2, -1, 0, 0, 45758, -204586), new(0, 1, -1, 0, -40923, -129620), new(1, 0, 0, 0, -34720, 108743),
        new(0, 1, 1, 0, -30383, 104755), new(2, 0, 0, -2, 15327, 10321), new(0, 0, 1, 2, -12528, 0), new(0, 0, 1, -2, 10980, 79661),
        new(4, 0, -1, 0, 10675, -34782), new(0, 0, 3, 0, 10034, -23210), new(4, 0, -2, 0, 8548, -21636), new(2, 1, -1, 0, -7888, 24208),
        new(2, 1, 0, 0, -6766, 30824), new(1, 0, -1, 0, -5163, -8379), new(1, 1, 0, 0, 4987, -16675), new(2, -1, 1, 0, 4036, -12831),
        new(2, 0, 2, 0, 3994, -10445), new(4, 0, 0, 0, 3861, -11650), new(2, 0, -3, 0, 3665, 14403), new(0, 1, -2, 0, -2689, -7003),
        new(2, 0, -1, 2, -2602, 0), new(2, -1, -2, 0, 2390, 10056), new(1, 0, 1, 0, -2348, 6322), new(2, -2, 0, 0, 2236, -9884),
        new(0, 1, 2, 0, -2120, 5751), new(0, 2, 0, 0, -2069, 0), new(2, -2, -1, 0, 2048, -4950), new(2, 0, 1, -2, -1773, 4130),
        new(2, 0, 0, 2, -1595, 0), new(4, -1, -1, 0, 1215, -3958), new(0, 0, 2, 2, -1110, 0), new(3, 0, -1, 0, -892, 3258),
        new(2, 1, 1, 0, -810, 2616), new(4, -1, -2, 0, 759, -1897), new(0, 2, -1, 0, -713, -2117), new(2, 2, -1, 0, -700, 2354),
        new(2, 1, -2, 0, 691, 0), new(2, -1, 0, -2, 596, 0), new(4, 0, 1, 0, 549, -1423), new(0, 0, 4, 0, 537, -1117),
        new(4, -1, 0, 0, 520, -1571), new(1, 0, -2, 0, -487, -1739), new(2, 1, 0, -2, -399, 0), new(0, 0, 2, -2, -381, -4421),
        new(1, 1, 1, 0, 351, 0), new(3, 0, -2, 0, -340, 0), new(4, 0, -3, 0, 330, 0), new(2, -1, 2, 0, 327, 0),
        new(0, 2, 1, 0, -323, 1165), new(1, 1, -1, 0, 299, 0), new(2, 0, 3, 0, 294, 0), new(2, 0, -1, -2, 0, 8752),
    ];

    private static readonly MoonTerm[] Up =
    [
        new(0, 0, 0, 1, 5128122, 0), new(0, 0, 1, 1, 280602, 0), new(0, 0, 1, -1, 277693, 0), new(2, 0, 0, -1, 173237, 0),
        new(2, 0, -1, 1, 55413, 0), new(2, 0, -1, -1, 46271, 0), new(2, 0, 0, 1, 32573, 0), new(0, 0, 2, 1, 17198, 0),
        new(2, 0, 1, -1, 9266, 0), new(0, 0, 2, -1, 8822, 0), new(2, -1, 0, -1, 8216, 0), new(2, 0, -2, -1, 4324, 0),
        new(2, 0, 1, 1, 4200, 0), new(2, 1, 0, -1, -3359, 0), new(2, -1, -1, 1, 2463, 0), new(2, -1, 0, 1, 2211, 0),
        new(2, -1, -1, -1, 2065, 0), new(0, 1, -1, -1, -1870, 0), new(4, 0, -1, -1, 1828, 0), new(0, 1, 0, 1, -1794, 0),
        new(0, 0, 0, 3, -1749, 0), new(0, 1, -1, 1, -1565, 0), new(1, 0, 0, 1, -1491, 0), new(0, 1, 1, 1, -1475, 0),
        new(0, 1, 1, -1, -1410, 0), new(0, 1, 0, -1, -1344, 0), new(1, 0, 0, -1, -1335, 0), new(0, 0, 3, 1, 1107, 0),
        new(4, 0, 0, -1, 1021, 0), new(4, 0, -1, 1, 833, 0),
    ];
}
