namespace MudPie.Core.Almanac;

/// <summary>What the moon does at a moment.</summary>
public enum MoonTurn
{
    /// <summary>Furthest south: from here it climbs (ascending, as sowing calendars count it).</summary>
    Lowest,

    /// <summary>Furthest north: from here it sinks (descending).</summary>
    Highest,

    /// <summary>Nearest to the earth (perigee).</summary>
    Nearest,

    /// <summary>Furthest from it (apogee).</summary>
    Furthest,
}

/// <summary>A turn of the moon.</summary>
/// <param name="Turn">Which.</param>
/// <param name="At">When, UTC.</param>
/// <param name="Figure">Declination, °, or distance, km.</param>
public sealed record MoonTurning(MoonTurn Turn, DateTimeOffset At, double Figure);

/// <summary>A stretch in one constellation.</summary>
/// <param name="From">UTC.</param>
/// <param name="To">UTC.</param>
/// <param name="Place">Which.</param>
public sealed record MoonStretch(DateTimeOffset From, DateTimeOffset To, ZodiacPlace Place);

/// <summary>The moon's turns by sampling its place: where it climbs and sinks, where it is near.</summary>
public static class MoonCourse
{
    private static readonly TimeSpan Step = TimeSpan.FromHours(6);

    /// <summary>Turns from one moment to another, in order.</summary>
    /// <param name="from">1901 to 2099.</param>
    /// <param name="to">Later; a year is a few milliseconds.</param>
    /// <remarks>In 2026 it is nearest 13 times. Seen from the southern half of the earth the moon that goes north sinks: words are turned
    /// around by whoever shows them, the moments are the same.</remarks>
    public static IReadOnlyList<MoonTurning> Turns(DateTimeOffset from, DateTimeOffset to)
    {
        var list = new List<MoonTurning>();
        var (first, second) = (Moon.At(from - Step), Moon.At(from));
        for (var at = from; at < to; at += Step)
        {
            var third = Moon.At(at + Step);
            Peak(first.DeclinationDeg, second.DeclinationDeg, third.DeclinationDeg, at, m => m.DeclinationDeg, MoonTurn.Highest,
                MoonTurn.Lowest);
            Peak(first.DistanceKm, second.DistanceKm, third.DistanceKm, at, m => m.DistanceKm, MoonTurn.Furthest, MoonTurn.Nearest);
            (first, second) = (second, third);
        }

        return [.. list.Where(t => t.At >= from && t.At <= to).OrderBy(t => t.At)];

        void Peak(double a, double b, double c, DateTimeOffset middle, Func<MoonPlace, double> of, MoonTurn high, MoonTurn low)
        {
            if ((b >= a && b > c) || (b <= a && b < c))
            {
                var up = b > c;
                var (x, y) = (middle - Step, middle + Step);
                while (y - x > TimeSpan.FromMinutes(1))
                {
                    var third = (y - x) / 3;
                    (x, y) = of(Moon.At(x + third)) < of(Moon.At(y - third)) == up ? (x + third, y) : (x, y - third);
                }

                list.Add(new MoonTurning(up ? high : low, x, of(Moon.At(x))));
            }
        }
    }

    /// <summary>Constellations that the moon goes through, from one moment to another, edges true to a few minutes.</summary>
    public static IReadOnlyList<MoonStretch> Through(DateTimeOffset from, DateTimeOffset to, ZodiacWay way)
    {
        ZodiacPlace At(DateTimeOffset at) => Zodiac.Of(Moon.At(at).LongitudeDeg, at, way);
        var list = new List<MoonStretch>();
        var (start, place) = (from, At(from));
        for (var at = from + Step; at < to; at += Step)
        {
            if (At(at) is var next && next != place)
            {
                var (x, y) = (at - Step, at);
                while (y - x > TimeSpan.FromMinutes(1))
                {
                    var middle = x + ((y - x) / 2);
                    (x, y) = At(middle) == place ? (middle, y) : (x, middle);
                }

                list.Add(new MoonStretch(start, y, place));
                (start, place) = (y, next);
            }
        }

        list.Add(new MoonStretch(start, to, place));
        return list;
    }
}
