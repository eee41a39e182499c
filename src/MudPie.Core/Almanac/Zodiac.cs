namespace MudPie.Core.Almanac;

/// <summary>How the moon's way is divided: schools differ.</summary>
public enum ZodiacWay
{
    /// <summary>Where the constellations end on the maps of astronomers (IAU), uneven; the Serpent-bearer counted with the
    /// Scorpion.</summary>
    Boundaries,

    /// <summary>Twelve equal parts among the stars, the bright star of the Ear of corn at the end of the Virgin.</summary>
    StarTwelfths,

    /// <summary>Twelve equal parts from the March equinox.</summary>
    EquinoxTwelfths,
}

/// <summary>Which part of a plant a constellation is said to favour.</summary>
public enum PlantPart
{
    /// <summary>Bull, Virgin, Goat.</summary>
    Root,

    /// <summary>Twins, Scales, Water-carrier.</summary>
    Flower,

    /// <summary>Crab, Scorpion, Fishes.</summary>
    Leaf,

    /// <summary>Ram, Lion, Archer.</summary>
    Fruit,
}

/// <summary>Where on its way the moon stands.</summary>
/// <param name="Name">The Latin name of the constellation.</param>
/// <param name="Plain">Its plain name.</param>
/// <param name="Part">What it is said to favour: contested.</param>
public sealed record ZodiacPlace(string Name, string Plain, PlantPart Part);

/// <summary>Constellations along the ecliptic.</summary>
public static class Zodiac
{
    /// <summary>Ecliptic longitude at J2000 at which each begins, degrees, where the borders of the International Astronomical Union
    /// (1930) cross it.</summary>
    public static readonly IReadOnlyList<(double FromDeg, string Name)> Borders =
    [
        (28.687, "Aries"), (53.417, "Taurus"), (90.140, "Gemini"), (117.988, "Cancer"), (138.038, "Leo"), (173.851, "Virgo"),
        (217.810, "Libra"), (241.047, "Scorpius"), (247.638, "Ophiuchus"), (266.238, "Sagittarius"), (299.656, "Capricornus"),
        (327.488, "Aquarius"), (351.650, "Pisces"),
    ];

    private static readonly ZodiacPlace[] Twelve =
    [
        new("Aries", "Ram", PlantPart.Fruit), new("Taurus", "Bull", PlantPart.Root), new("Gemini", "Twins", PlantPart.Flower),
        new("Cancer", "Crab", PlantPart.Leaf), new("Leo", "Lion", PlantPart.Fruit), new("Virgo", "Virgin", PlantPart.Root),
        new("Libra", "Scales", PlantPart.Flower), new("Scorpius", "Scorpion", PlantPart.Leaf),
        new("Sagittarius", "Archer", PlantPart.Fruit), new("Capricornus", "Goat", PlantPart.Root),
        new("Aquarius", "Water-carrier", PlantPart.Flower), new("Pisces", "Fishes", PlantPart.Leaf),
    ];

    // The general precession in longitude, degrees a century (IAU 2006, rounded), and where twelfths among the stars begin in 2000.
    private const double PrecessionDeg = 1.39697, StarsBeginDeg = 23.85;

    /// <summary>Where a longitude of the day lies.</summary>
    /// <param name="longitudeDeg">From the equinox of the day, 0 to 360°.</param>
    /// <param name="at">When, 1901 to 2099.</param>
    /// <param name="way">How it is divided.</param>
    /// <remarks>The moon on 26 November 2026, 14:00 UTC, at 89.9°: in the Bull by borders and among the stars, in the Twins from the
    /// equinox. Source: borders of the IAU (Delporte 1930), where they cross the ecliptic.</remarks>
    public static ZodiacPlace Of(double longitudeDeg, DateTimeOffset at, ZodiacWay way)
    {
        var fixedDeg = DynamicalTime.Turn(longitudeDeg - (PrecessionDeg * DynamicalTime.Centuries(at)));
        if (way == ZodiacWay.Boundaries)
        {
            var name = Borders.LastOrDefault(b => b.FromDeg <= fixedDeg).Name ?? "Pisces";
            return Twelve.First(t => t.Name == (name == "Ophiuchus" ? "Scorpius" : name));
        }

        var from = way == ZodiacWay.StarTwelfths ? DynamicalTime.Turn(fixedDeg - StarsBeginDeg) : DynamicalTime.Turn(longitudeDeg);
        return Twelve[(int)Math.Floor(from / 30) % 12];
    }
}
