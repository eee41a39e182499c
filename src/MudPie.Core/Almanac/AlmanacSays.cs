using MudPie.Core.Workings;

namespace MudPie.Core.Almanac;

/// <summary>The moon at a moment, in words.</summary>
/// <param name="Phase">"waning, 2 days after the full moon".</param>
/// <param name="Course">"climbs until 30 Nov (ascending)".</param>
/// <param name="Nearness">"nearest on 12 Dec".</param>
/// <param name="Place">Where it stands.</param>
public sealed record MoonSays(string Phase, string Course, string Nearness, ZodiacPlace Place);

/// <summary>What the almanac says.</summary>
public static class AlmanacSays
{
    /// <summary>The fork of the moon's way.</summary>
    public const string ZodiacFork = "zodiac";

    /// <summary>A school of that fork.</summary>
    public static ZodiacWay Way(string? school) => school switch {
        "star-twelfths" => ZodiacWay.StarTwelfths,
        "equinox-twelfths" => ZodiacWay.EquinoxTwelfths,
        _ => ZodiacWay.Boundaries,
    };

    /// <summary>Where the moon stands by each school.</summary>
    public static Fork Zodiacs(DateTimeOffset now, string? school)
    {
        string At(ZodiacWay way) => Zodiac.Of(Moon.At(now).LongitudeDeg, now, way) is var z ? $"{z.Plain} ({z.Name}): {z.Part.ToString()
            .ToLowerInvariant()}" : "";
        var chosen = school is "star-twelfths" or "equinox-twelfths" ? school : "boundaries";
        return new Fork(ZodiacFork, "In which constellation does the moon stand?",
            [
                new("boundaries", "by the borders that astronomers drew", At(ZodiacWay.Boundaries)),
                new("star-twelfths", "by twelve equal parts among the stars", At(ZodiacWay.StarTwelfths)),
                new("equinox-twelfths", "by twelve equal parts from the equinox", At(ZodiacWay.EquinoxTwelfths)),
            ], "boundaries", chosen,
            "It is where the moon is seen. That sowing by it changes a crop is contested: careful trials found nothing that held.",
            Evidence.Contested, "the sowing days, and nothing else");
    }

    /// <summary>The moon now.</summary>
    /// <param name="now">When.</param>
    /// <param name="south">Seen from the south: what goes north sinks there.</param>
    /// <param name="way">How its way is divided.</param>
    /// <param name="day">Writes a day of the holding's own.</param>
    /// <remarks>26 November 2026 in the north: waning, 2 days after the full moon of the 24th.</remarks>
    public static MoonSays Of(DateTimeOffset now, bool south, ZodiacWay way, Func<DateTimeOffset, string> day)
    {
        var quarters = MoonPhases.Quarters(now.AddDays(-16), now.AddDays(31));
        var last = quarters.Last(q => q.At <= now && q.Phase is MoonPhase.Full or MoonPhase.New);
        var days = (int)Math.Round((now - last.At).TotalDays);
        var (name, way1) = last.Phase == MoonPhase.Full ? ("full moon", "waning") : ("new moon", "growing");
        var turns = MoonCourse.Turns(now, now.AddDays(32));
        var next = turns.First(t => t.Turn is MoonTurn.Highest or MoonTurn.Lowest);
        var climbs = (next.Turn == MoonTurn.Highest) != south;
        var near = turns.First(t => t.Turn is MoonTurn.Nearest or MoonTurn.Furthest);
        return new MoonSays(days == 0 ? $"{name} today" : $"{way1}, {Say.Count(days, "day")} after the {name}",
            $"{(climbs ? "climbs" : "sinks")} until {day(next.At)} ({(climbs ? "ascending" : "descending")})",
            $"{(near.Turn == MoonTurn.Nearest ? "nearest" : "furthest")} on {day(near.At)}, {near.Figure / 1000:0},000 km",
            Zodiac.Of(Moon.At(now).LongitudeDeg, now, way));
    }

    /// <summary>What a constellation is said to favour, in a word.</summary>
    public static string Part(PlantPart part) => part switch {
        PlantPart.Root => "root",
        PlantPart.Flower => "flower",
        PlantPart.Leaf => "leaf",
        _ => "fruit",
    };
}
