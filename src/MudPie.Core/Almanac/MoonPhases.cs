using MudPie.Core.Workings;
using static MudPie.Core.Almanac.DynamicalTime;

namespace MudPie.Core.Almanac;

/// <summary>Quarters of the moon.</summary>
public enum MoonPhase
{
    /// <summary>Dark.</summary>
    New,

    /// <summary>Half, growing.</summary>
    FirstQuarter,

    /// <summary>Full.</summary>
    Full,

    /// <summary>Half, waning.</summary>
    LastQuarter,
}

/// <summary>A quarter of the moon.</summary>
/// <param name="Phase">Which.</param>
/// <param name="At">When, UTC.</param>
public sealed record MoonQuarter(MoonPhase Phase, DateTimeOffset At);

/// <summary>Full moons of a span.</summary>
/// <param name="Times">UTC, in order.</param>
public sealed record FullMoonsAnswer(IReadOnlyList<DateTimeOffset> Times);

/// <summary>Phases of the moon, after Meeus, Astronomical Algorithms (1998), chapter 49.</summary>
public static class MoonPhases
{
    /// <summary>Longest span that is told at once, years.</summary>
    public const int MostYears = 50;

    private const string Source = "Meeus, Astronomical Algorithms (1998), chapter 49; true to about half a minute";

    /// <summary>Full moons from one moment to another.</summary>
    /// <param name="from">1901 to 2099.</param>
    /// <param name="to">Not before, and at most 50 years later.</param>
    /// <remarks>November 2026: the 24th, 14:53:29 UTC, to half a minute. Source: Meeus 1998, chapter 49.</remarks>
    public static Ruling<FullMoonsAnswer> Full(DateTimeOffset? from, DateTimeOffset? to)
    {
        var checks = new Checks();
        foreach (var (field, at) in new[] { ("fromUtc", from), ("toUtc", to) })
        {
            if (at is not { Year: >= First and <= Last })
            {
                checks.Add(field, at is null ? "No time was given." : "The sums hold from 1901 to 2099.",
                    "Give a time as 2026-01-01T00:00:00Z.");
            }
        }

        if (checks.Sound && (to < from || to > from!.Value.AddYears(MostYears)))
        {
            checks.Add("toUtc", to < from ? "It ends before it begins." : "That is more than 50 years.", "Give a later, or a nearer, end.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var times = Quarters(from!.Value, to!.Value).Where(q => q.Phase == MoonPhase.Full).Select(q => q.At).ToList();
        return Worked.Of(new FullMoonsAnswer(times), "", Evidence.ChemistryOrPhysics,
            [new("full moons", "mean lunation + 25 periodic and 14 planetary terms − the lag of clocks",
                $"{from:d MMM yyyy} to {to:d MMM yyyy}", Say.Count(times.Count, "full moon"), Source)]);
    }

    /// <summary>All quarters from one moment to another, in order.</summary>
    public static IReadOnlyList<MoonQuarter> Quarters(DateTimeOffset from, DateTimeOffset to)
    {
        var first = (long)Math.Floor(((from.Year + (from.DayOfYear / 365.25) - 2000) * 12.3685 * 4) - 6);
        var list = new List<MoonQuarter>();
        for (var n = first; ; n++)
        {
            var quarter = new MoonQuarter((MoonPhase)(((n % 4) + 4) % 4), At(n / 4.0));
            if (quarter.At > to)
            {
                return list;
            }

            if (quarter.At >= from)
            {
                list.Add(quarter);
            }
        }
    }

    private static DateTimeOffset At(double k)
    {
        var t = k / 1236.85;
        var mean = 2451550.09766 + (29.530588861 * k) + (t * t * (0.00015437 - (t * (0.00000015 - (t * 0.00000000073)))));
        var e = 1 - (t * (0.002516 + (0.0000074 * t)));
        var sun = 2.5534 + (29.1053567 * k) - (t * t * (0.0000014 + (0.00000011 * t)));
        var moon = 201.5643 + (385.81693528 * k) + (t * t * (0.0107582 + (0.00001238 * t) - (0.000000058 * t * t)));
        var node = 160.7108 + (390.67050284 * k) - (t * t * (0.0016118 + (0.00000227 * t) - (0.000000011 * t * t)));
        var omega = 124.7746 - (1.56375588 * k) + (t * t * (0.0020672 + (0.00000215 * t)));
        var phase = (int)Math.Round((k - Math.Floor(k)) * 4) % 4;
        var terms = phase switch { 0 => NewTerms, 2 => FullTerms, _ => QuarterTerms };
        var sum = terms.Sum(x => x.A * Math.Pow(e, x.E) * Sin((x.Sun * sun) + (x.Moon * moon) + (x.Node * node)))
            - (0.00017 * Sin(omega));
        if (phase is 1 or 3)
        {
            var w = 0.00306 - (0.00038 * e * Cos(sun)) + (0.00026 * Cos(moon)) - (0.00002 * Cos(moon - sun))
                + (0.00002 * Cos(moon + sun)) + (0.00002 * Cos(2 * node));
            sum += phase == 1 ? w : -w;
        }

        sum += 0.000325 * Sin(299.77 + (0.107408 * k) - (0.009173 * t * t)) + Planets.Sum(p => p.A * Sin(p.B + (p.C * k)));
        return Clock(mean + sum);
    }

    private static readonly (double A, double B, double C)[] Planets =
    [
        (0.000165, 251.88, 0.016321), (0.000164, 251.83, 26.651886), (0.000126, 349.42, 36.412478), (0.000110, 84.66, 18.206239),
        (0.000062, 141.74, 53.303771), (0.000060, 207.14, 2.453732), (0.000056, 154.84, 7.306860), (0.000047, 34.52, 27.261239),
        (0.000042, 207.19, 0.121824), (0.000040, 291.34, 1.844379), (0.000037, 161.72, 24.198154), (0.000035, 239.56, 25.513099),
        (0.000023, 331.55, 3.592518),
    ];

    private static readonly PhaseTerm[] NewTerms = Syzygy(-0.40720, 0.17241, 0.01608, 0.01039, 0.00739, -0.00514, 0.00208);

    private static readonly PhaseTerm[] FullTerms = Syzygy(-0.40614, 0.17302, 0.01614, 0.01043, 0.00734, -0.00515, 0.00209);

    private static readonly PhaseTerm[] QuarterTerms =
    [
        new(-0.62801, 0, 1, 0), new(0.17172, 1, 0, 0, 1), new(-0.01183, 1, 1, 0, 1), new(0.00862, 0, 2, 0), new(0.00804, 0, 0, 2),
        new(0.00454, -1, 1, 0, 1), new(0.00204, 2, 0, 0, 2), new(-0.00180, 0, 1, -2), new(-0.00070, 0, 1, 2), new(-0.00040, 0, 3, 0),
        new(-0.00034, -1, 2, 0, 1), new(0.00032, 1, 0, 2, 1), new(0.00032, 1, 0, -2, 1), new(-0.00028, 2, 1, 0, 2),
        new(0.00027, 1, 2, 0, 1), new(-0.00005, -1, 1, -2), new(0.00004, 0, 2, 2), new(-0.00004, 1, 1, 2), new(0.00004, -2, 1, 0),
        new(0.00003, 1, 1, -2), new(0.00003, 3, 0, 0), new(0.00002, 0, 2, -2), new(0.00002, -1, 1, 2), new(-0.00002, 1, 3, 0),
    ];

    private static PhaseTerm[] Syzygy(double moon, double sun, double moon2, double node2, double less, double more, double sun2) =>
    [
        new(moon, 0, 1, 0), new(sun, 1, 0, 0, 1), new(moon2, 0, 2, 0), new(node2, 0, 0, 2), new(less, -1, 1, 0, 1), new(more, 1, 1, 0, 1),
        new(sun2, 2, 0, 0, 2), new(-0.00111, 0, 1, -2), new(-0.00057, 0, 1, 2), new(0.00056, 1, 2, 0, 1), new(-0.00042, 0, 3, 0),
        new(0.00042, 1, 0, 2, 1), new(0.00038, 1, 0, -2, 1), new(-0.00024, -1, 2, 0, 1), new(-0.00007, 2, 1, 0), new(0.00004, 0, 2, -2),
        new(0.00004, 3, 0, 0), new(0.00003, 1, 1, -2), new(0.00003, 0, 2, 2), new(-0.00003, 1, 1, 2), new(0.00003, -1, 1, 2),
        new(-0.00002, -1, 1, -2), new(-0.00002, 1, 3, 0), new(0.00002, 0, 4, 0),
    ];

    /// <summary>A sine of so many sun's and moon's anomalies and arguments of latitude, days.</summary>
    private sealed record PhaseTerm(double A, int Sun, int Moon, int Node, int E = 0);
}
