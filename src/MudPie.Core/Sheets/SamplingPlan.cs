using System.Globalization;
using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Sheets;

/// <summary>Where ground is sampled, and what was sampled there.</summary>
/// <param name="BedId">The bed.</param>
/// <param name="Bed">Its name.</param>
/// <param name="ZoneId">The zone; null for the whole of it.</param>
/// <param name="Zone">Its name; null likewise.</param>
/// <param name="Texture">As the zone says; null where nobody did.</param>
/// <param name="Last">The newest sheet of soil of that place; null for none.</param>
/// <param name="Lab">Who tested that; null where nobody said.</param>
public sealed record SamplingPlace(int BedId, string Bed, int? ZoneId, string? Zone, string? Texture, DateOnly? Last, string? Lab);

/// <summary>A bag to be filled.</summary>
/// <param name="Place">Where.</param>
/// <param name="Mark">What is written on it: "Creek Field, low corner, 10 to 30 cm".</param>
/// <param name="From">From so deep, with its unit: "10 cm"; null from the surface.</param>
/// <param name="To">To so deep, with its unit.</param>
public sealed record SampleBag(SamplingPlace Place, string Mark, string? From, string To);

/// <summary>A place and when it is due.</summary>
/// <param name="Place">Where.</param>
/// <param name="Due">From when a sheet says something new; null where it was never sampled: now.</param>
/// <param name="Tone">Mind where it is overdue or was never sampled.</param>
/// <param name="Sentence">"last 12 Mar 2024 by the county lab: again March 2027 to March 2029".</param>
public sealed record SamplingDue(SamplingPlace Place, DateOnly? Due, Tone Tone, string Sentence);

/// <summary>Where soil is sampled next, how often, how deep; and how each kind of sample is taken.</summary>
public static class SamplingPlan
{
    /// <summary>Years after which a soil is sampled again: from, at the latest.</summary>
    public const int FromYears = 3, ToYears = 5;

    /// <summary>Cores to one sample: at the least, at the most that pays.</summary>
    public const int FewCores = 15, ManyCores = 25;

    /// <summary>Depths of a soil's samples: cm, or whole inches.</summary>
    private static (int Top, int Bottom, string Unit) Depths(UnitSystem units) => units.IsUs() ? (4, 12, "in") : (10, 30, "cm");

    /// <summary>Those depths in words.</summary>
    /// <param name="units">The holding's.</param>
    /// <remarks>"0 to 10 and 10 to 30 cm"; in US units "0 to 4 and 4 to 12 in".</remarks>
    public static string Deep(UnitSystem units) => Depths(units) is var (top, bottom, unit)
        ? string.Create(CultureInfo.InvariantCulture, $"0 to {top} and {top} to {bottom} {unit}") : "";

    /// <summary>When each place is due.</summary>
    /// <param name="places">Zones, and beds without zones.</param>
    /// <param name="today">Today.</param>
    /// <remarks>Last sampled on 12 March 2024: again in March 2027 to March 2029, the same month and the same lab. Source: common advice to
    /// growers; the surface and what lies under it apart, as lime and phosphorus stay on top.</remarks>
    public static IReadOnlyList<SamplingDue> Due(IReadOnlyList<SamplingPlace> places, DateOnly today) => [.. places.Select(p =>
    {
        if (p.Last is not { } last)
        {
            return new SamplingDue(p, null, Tone.Mind, "never sampled");
        }

        var (from, to) = (last.AddYears(FromYears), last.AddYears(ToYears));
        var by = string.IsNullOrWhiteSpace(p.Lab) ? "" : $" by {p.Lab.Trim()}";
        return new SamplingDue(p, from, today > to ? Tone.Mind : Tone.Go, $"last {Say.Date(last)}{by}: again {Month(from)} to {Month(to)}"
            + (today > to ? ", overdue" : today < from ? "" : ", it may be done now"));
    })];

    /// <summary>The bags for these places: for each of them one to a depth.</summary>
    /// <param name="places">Where.</param>
    /// <param name="units">The holding's.</param>
    /// <remarks>Two zones: four bags, 0 to 10 cm and 10 to 30 cm of each.</remarks>
    public static IReadOnlyList<SampleBag> Bags(IReadOnlyList<SamplingPlace> places, UnitSystem units)
    {
        var (top, bottom, unit) = Depths(units);
        string Deep(int at) => string.Create(CultureInfo.InvariantCulture, $"{at} {unit}");
        return [.. places.SelectMany(p => new[] { (From: 0, To: top), (From: top, To: bottom) }.Select(d => new SampleBag(p,
            $"{p.Bed}{(p.Zone is null ? "" : $", {p.Zone}")}, {d.From.ToString(CultureInfo.InvariantCulture)} to {Deep(d.To)}",
            d.From == 0 ? null : Deep(d.From), Deep(d.To))))];
    }

    /// <summary>How a sample of that kind is taken, in steps.</summary>
    /// <param name="of">Of what.</param>
    /// <param name="units">The holding's.</param>
    /// <remarks>Soil: 15 to 25 cores to one bag, 0 to 10 cm in one bucket and 10 to 30 cm in another.</remarks>
    public static IReadOnlyList<string> Checklist(SheetOf of, UnitSystem units) => of switch {
        SheetOf.Leaf or SheetOf.Tissue =>
        [
            "One kind of plant, one variety, one stage; while there is still time to act on it.",
            "Thirty to fifty youngest fully opened leaves, one or two a plant, from all over; the same leaf on each.",
            "Sound and growing plants: none grazed, sick, sprayed this week, dusty or at an edge.",
            "The same hour as last time; dry leaves, in a paper bag, never plastic; not washed unless the lab says so.",
            "Where some plants look poor: a second bag of these, and soil from beside them.",
            "On the bag: crop, stage, part, bed, date, hour. To the lab the same day, or kept cool.",
        ],
        SheetOf.Sap =>
        [
            "Old leaves and young ones in two bags: the oldest that is still sound, the youngest fully opened.",
            "Before the sun is on them, the same hour each time, a day or more after a watering or a rain.",
            "Thirty to fifty leaves to a bag, with their stalks or without as the lab wants; dry.",
            "Press the air out, keep it cool, never frozen; it must be there the next day.",
            "On the bag: crop, stage, old or young, bed, date, hour, the last watering.",
        ],
        SheetOf.Mix =>
        [
            "Ten scoops or more, from all over the heap and from its middle, into one clean bucket.",
            $"Mix them, and take a {(units.IsUs() ? "quart" : "litre")} of that; as moist as it is used.",
            "Write on the bag what it is and the date; ask for a saturated media extract.",
        ],
        _ =>
        [
            $"{FewCores} to {ManyCores} cores to one bag, in a zigzag through that zone only; edges, heaps, "
                + "wheelings and wet holes left out.",
            $"All to the same depth: {Deep(units)}, each in a clean bucket of its own. No brass or galvanised tool.",
            $"Break up, mix, take {(units.IsUs() ? "a pint" : "half a litre")} of each; let it dry in the air, out of the sun.",
            "The same month and the same lab as last time; ask for the same extraction.",
            "Not within two months of lime, manure or a feed.",
            "On the bag: bed, zone, depth, date.",
        ],
    };

    private static string Month(DateOnly day) => day.ToString("MMMM yyyy", CultureInfo.InvariantCulture);
}
