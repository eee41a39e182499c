using MudPie.Core.Mixing;

namespace MudPie.Core.Works;

/// <summary>What worms won't take, and what they take little of.</summary>
public static class WormFood
{
    /// <summary>Most of what they take little of, share of a fortnight's food by weight.</summary>
    public const double Little = 0.10;

    /// <summary>Most coffee grounds, share likewise.</summary>
    public const double MostGrounds = 0.50;

    private static readonly string[] Never = ["meat", "fish", "bone", "oil", "fat", "grease", "salt", "cheese", "dairy", "dressing"];

    private static readonly string[] Seldom = ["citrus", "lemon", "orange", "lime peel", "onion", "leek", "garlic", "chilli", "chili",
        "pepper", "grape", "vinegar", "pickle"];

    /// <summary>Why it is kept from them; null where it is not.</summary>
    /// <remarks>"fish scraps": fish. "potato peelings": null. "salted crackers": salt.</remarks>
    public static string? Kept(string what) => Word(what, Never);

    /// <summary>What they take little of; null where it is none.</summary>
    /// <remarks>"onion skins": onion.</remarks>
    public static string? Sour(string what) => Word(what, Seldom);

    /// <summary>What it is, of the table; kitchen scraps where that says nothing.</summary>
    public static Material Of(string? what, IReadOnlyList<Material> table)
    {
        var known = what is null ? null : table.FirstOrDefault(m => m.Name.Equals(what, StringComparison.OrdinalIgnoreCase))
            ?? Materials.For(null, what);
        return table.FirstOrDefault(m => m.Id == known?.Id) ?? known ?? table.First(m => m.Id == "scraps");
    }

    /// <summary>What it is, where it is bedding: cardboard where its name says nothing.</summary>
    public static Material Bedding(string? what, IReadOnlyList<Material> table)
    {
        var known = what is null ? null : table.FirstOrDefault(m => m.Name.Equals(what, StringComparison.OrdinalIgnoreCase))
            ?? Materials.For(null, what);
        return table.FirstOrDefault(m => m.Id == known?.Id) ?? known ?? table.First(m => m.Id == "cardboard");
    }

    /// <summary>A word at the beginning of one of what was typed: "oil" is in "oily rags" and not in "soil".</summary>
    private static string? Word(string what, string[] words) => words.FirstOrDefault(w =>
        (" " + what.ToLowerInvariant().Replace('-', ' ').Replace(',', ' ')).Contains(" " + w, StringComparison.Ordinal));
}
