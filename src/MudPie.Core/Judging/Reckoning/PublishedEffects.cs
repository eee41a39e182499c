using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Reckoning;

/// <summary>Effects on yield that are published, for claims that speak of one.</summary>
public static class PublishedEffects
{
    /// <summary>All. Ranges are of the order that reviews give, widened; none is a promise.</summary>
    public static readonly IReadOnlyList<PublishedEffect> All =
    [
        new("seaweed-yield", -5, 15, Evidence.PublishedTrials, "From nothing to a tenth, most under stress; widened by half of that each "
            + "way, as trials are often paid for by sellers.", ["seaweed", "kelp"]),
        new("tea-feeds", -8, 8, Evidence.ChemistryOrPhysics, "A litre brings some tens of milligrams of nitrogen where a crop takes grams; "
            + "trials disagree, and many see what water or a plain extract does as well.", ["tea", "brew", "extract"]),
        new("rock-dust", -6, 6, Evidence.PublishedTrials, "Little or nothing in the first years on most temperate ground.",
            ["rock dust", "basalt"]),
        new("char-charged", -10, 15, Evidence.PublishedTrials, "Gains in sour and worn-out soils, little or none on fertile ones.",
            ["char"]),
    ];

    /// <summary>The one that speaks of a thing; null for none.</summary>
    /// <param name="thing">Its name, with its kind on the shelf.</param>
    /// <remarks>"liquid seaweed, seaweed" is known by "seaweed"; "Rootbank spores" by nothing.</remarks>
    public static PublishedEffect? Of(string thing) => All.FirstOrDefault(p => p.Words.Any(w => Practices.Begins(thing, w)));
}
