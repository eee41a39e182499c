using MudPie.Core.Measures;

namespace MudPie.Core.Mixing;

/// <summary>What is known of a usual material. Sources differ by a third either way.</summary>
/// <param name="Id">Stable name.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Carbon">Share of dry matter.</param>
/// <param name="Nitrogen">Share of dry matter.</param>
/// <param name="Moisture">Share of what is weighed.</param>
/// <param name="KgPerL">As it lies, kg/L.</param>
/// <param name="DecayPerWeek">First-order rate at 20 °C and moist, a week.</param>
/// <param name="Words">Words of a name by which it is known, each a stem.</param>
public sealed record Material(string Id, string Name, double Carbon, double Nitrogen, double Moisture, double KgPerL, double DecayPerWeek,
    params IReadOnlyList<string> Words)
{
    /// <summary>Sources differ by this share either way, and so does what follows from it.</summary>
    public const double Spread = 1.0 / 3;

    /// <summary>Carbon to nitrogen; infinite where there is no nitrogen.</summary>
    public double Cn => Nitrogen > 0 ? Carbon / Nitrogen : double.PositiveInfinity;

    /// <summary>Whether it rots at all: stones, shells and char don't, or not in years that count here.</summary>
    public bool Rots => DecayPerWeek > 0 && Carbon > 0;
}

/// <summary>The table of usual materials: a start, which growers change.</summary>
public static class Materials
{
    private const double Green = 0.06, Straw = 0.03, Wood = 0.008, Slow = 0.003, Quick = 0.12, Kitchen = 0.05;

    /// <summary>By group: greens, browns, manures, finished, feeds, and what does not rot.</summary>
    /// <remarks>Source: usual tables of composting and potting mixes, which differ by a third; rates by first-order fits at 20
    /// °C.</remarks>
    public static readonly IReadOnlyList<Material> All =
    [
        new("grass", "grass clippings", 0.42, 0.030, 0.78, 0.30, Green, "grass", "clipping"),
        new("scraps", "kitchen scraps", 0.42, 0.024, 0.75, 0.55, Green, "scrap", "peeling"),
        new("grounds", "coffee grounds", 0.50, 0.022, 0.60, 0.45, Green, "grounds", "coffee"),
        new("residue", "green crop residue", 0.43, 0.018, 0.75, 0.25, Green, "residue", "haulm", "weeds"),
        new("seaweed", "seaweed", 0.32, 0.020, 0.80, 0.55, Green, "seaweed", "kelp", "wrack"),
        new("leaves", "dry leaves", 0.47, 0.008, 0.25, 0.10, Straw, "leaves"),
        new("straw", "straw", 0.46, 0.007, 0.12, 0.08, Straw, "straw", "hay"),
        new("cardboard", "cardboard", 0.45, 0.0015, 0.08, 0.08, Straw, "cardboard", "paper"),
        new("chip", "wood chip", 0.50, 0.0035, 0.40, 0.25, Wood, "chip", "wood"),
        new("sawdust", "sawdust", 0.50, 0.0015, 0.35, 0.25, Wood, "sawdust", "shaving"),
        new("brash", "hedge brash, shredded", 0.48, 0.009, 0.45, 0.20, Wood, "brash", "prunings"),
        new("bark", "composted bark", 0.48, 0.006, 0.40, 0.25, Wood, "bark"),
        new("hulls", "rice hulls", 0.40, 0.005, 0.10, 0.10, Wood, "hull", "husk"),
        new("cattle", "cattle manure with bedding", 0.42, 0.020, 0.72, 0.60, Green, "cattle", "cow manure"),
        new("hen", "hen manure", 0.38, 0.040, 0.45, 0.50, Green, "hen", "poultry", "chicken"),
        new("castings", "castings", 0.30, 0.018, 0.70, 0.70, Green, "casting", "worm"),
        new("compost", "finished compost", 0.25, 0.016, 0.50, 0.60, Slow, "compost", "mould", "mold"),
        // Bags whose C:N nobody knows, by their look: with the spread, 64 to 113 and 14 to 26.
        new("woody-bag", "a bag, woody by its look", 0.48, 0.48 / 85, 0.50, 0.30, Wood, "woody"),
        new("dark-bag", "a bag, dark and crumbly by its look", 0.30, 0.30 / 19.4, 0.50, 0.45, Slow, "crumbly"),
        new("coir", "coir", 0.47, 0.005, 0.55, 0.12, Slow, "coir", "coco"),
        new("peat", "peat", 0.50, 0.010, 0.55, 0.15, Slow, "peat"),
        new("feather", "feather meal", 0.45, 0.130, 0.08, 0.50, Quick, "feather", "blood meal", "hoof"),
        new("kitchen-dried", "dried ground kitchen waste", 0.45, 0.030, 0.10, 0.45, Kitchen, "ground kitchen", "dried kitchen"),
        new("char", "char", 0.78, 0, 0.40, 0.25, 0, "char"),
        new("pumice", "pumice", 0, 0, 0.10, 0.50, 0, "pumice", "lava"),
        new("perlite", "perlite", 0, 0, 0.05, 0.10, 0, "perlite"),
        new("vermiculite", "vermiculite", 0, 0, 0.05, 0.12, 0, "vermiculite"),
        new("sand", "sand or grit", 0, 0, 0.05, 1.50, 0, "sand", "grit"),
        new("shell", "shell flour or lime", 0, 0, 0.02, 1.00, 0, "shell", "lime", "flour"),
        new("soil", "soil", 0.02, 0.0018, 0.20, 1.20, Slow, "soil", "loam"),
    ];

    /// <summary>The table with the grower's own laid over it: what they changed, and what they added.</summary>
    /// <param name="own">The newest of each, those of the house's by their ids.</param>
    public static IReadOnlyList<Material> With(IEnumerable<Material> own)
    {
        var mine = own.ToDictionary(m => m.Id);
        return [.. All.Select(m => mine.TryGetValue(m.Id, out var changed) ? changed : m), .. mine.Values.Where(m => Find(m.Id) is null)];
    }

    /// <summary>A material of the grower's own, within what can be.</summary>
    /// <param name="houseId">That of the house's which it changes; null for a new one.</param>
    /// <param name="name">Its name.</param>
    /// <param name="typed">Carbon, nitrogen and moisture in per cent, kg a litre, as typed.</param>
    /// <param name="fields">Where it is typed.</param>
    public static Material? Own(string? houseId, string? name, (string? C, string? N, string? Water, string? KgPerL) typed,
        TypedFields fields)
    {
        var house = Find(houseId);
        double Percent(string field, string? value, double most) => fields.Quantity(field, value?.TrimEnd('%', ' '), Dimension.Plain, 0,
            most) / 100;
        var own = new Material(house?.Id ?? "", house?.Name ?? fields.Name("name", name, "the material"), Percent("carbon", typed.C, 100),
            Percent("nitrogen", typed.N, 60), Percent("moisture", typed.Water, 99), fields.Quantity("kgPerL", typed.KgPerL,
                Dimension.Plain, 0.02, 3),
            house?.DecayPerWeek ?? Straw, house?.Words ?? []);
        if (own.Carbon + own.Nitrogen > 1)
        {
            fields.Checks.Add("carbon", "Carbon and nitrogen are more than all of it.", "Give per cent of dry matter that fit in 100.");
        }

        return fields.Checks.Sound ? own : null;
    }

    /// <summary>The material of that id; null where there is none.</summary>
    public static Material? Find(string? id) => All.FirstOrDefault(m => m.Id == id);

    /// <summary>Char that nothing was done to: by its kind, or by what it is called where it does not lie on the shelf as
    /// charged.</summary>
    /// <remarks>"char" that is only named is raw; "charged char" is not.</remarks>
    public static bool RawChar(string? kind, string name) => kind == "char"
        || (kind is null or "part" or "other" && For(null, name)?.Id == "char" && !name.Contains("charged",
            StringComparison.OrdinalIgnoreCase));

    /// <summary>What a thing on the shelf is, by its kind, or by what it is called; null where that says nothing.</summary>
    /// <param name="kind">Its kind on the shelf; null where it does not lie there.</param>
    /// <param name="name">"leaf-mould compost", "coir".</param>
    /// <remarks>The longest word of its name that is known counts: "leaf-mould compost" is compost, "charged char" is char.</remarks>
    public static Material? For(string? kind, string name) => kind switch {
        "castings" => Find("castings"),
        "compost" => Find("compost"),
        "char" or "chargedChar" => Find("char"),
        "mix" => null, // it may hold anything
        _ => All.SelectMany(m => m.Words.Select(w => (Material: m, Word: w)))
            .Where(x => name.Contains(x.Word, StringComparison.OrdinalIgnoreCase)).OrderByDescending(x => x.Word.Length)
            .Select(x => x.Material).FirstOrDefault(),
    };
}
