namespace MudPie.Core.Brewing;

/// <summary>What living stuff goes in the bag. Figures of the brew model; see docs/science/brew-model.md.</summary>
/// <param name="Kind">Stable name.</param>
/// <param name="Name">What it is called.</param>
/// <param name="KgPerLitre">Bulk density.</param>
/// <param name="FastPerG">Fast food, g COD per g.</param>
/// <param name="SlowPerG">Slow food, g COD per g.</param>
/// <param name="BacteriaMgPerG">Bacteria given up, mg COD per g.</param>
/// <param name="FungiMgPerG">Fungi given up, mg COD per g.</param>
public sealed record SourceKind(string Kind, string Name, double KgPerLitre, double FastPerG, double SlowPerG, double BacteriaMgPerG,
    double FungiMgPerG);

/// <summary>What is fed to a brew.</summary>
/// <param name="Kind">Stable name.</param>
/// <param name="Name">What it is called.</param>
/// <param name="GPerMl">Density.</param>
/// <param name="FastPerG">Fast food, g COD per g.</param>
/// <param name="SlowPerG">Slow food, g COD per g.</param>
/// <param name="Leans">"bacterial", "fungal" or "either": what it is given for.</param>
public sealed record FoodKind(string Kind, string Name, double GPerMl, double FastPerG, double SlowPerG, string Leans);

/// <summary>What breaks the air into bubbles.</summary>
/// <param name="Kind">Stable name.</param>
/// <param name="Name">What it is called.</param>
/// <param name="SotePerMetre">Share of the oxygen that goes over per metre of depth, in clean water.</param>
/// <param name="UsualLossKPa">Pressure it usually takes, kPa, where the grower has not measured it.</param>
public sealed record DiffuserKind(string Kind, string Name, double SotePerMetre, double UsualLossKPa);

/// <summary>The tables of the brew model: a reasoned start, not measurements.</summary>
public static class Ingredients
{
    /// <summary>Sources, by kind.</summary>
    public static readonly IReadOnlyList<SourceKind> Sources =
    [
        new("compost", "compost", 0.50, 0.0008, 0.005, 0.45, 0.12),
        new("castings", "castings", 0.65, 0.0010, 0.006, 0.70, 0.08),
    ];

    /// <summary>Foods, by kind.</summary>
    public static readonly IReadOnlyList<FoodKind> Foods =
    [
        new("molasses", "molasses", 1.40, 0.55, 0.05, "bacterial"),
        new("fishHydrolysate", "fish hydrolysate", 1.10, 0.12, 0.25, "fungal"),
        new("kelpLiquid", "liquid kelp", 1.05, 0.03, 0.08, "fungal"),
        new("kelpPowder", "soluble kelp powder", 0.60, 0.15, 0.60, "fungal"),
        new("humicLiquid", "liquid humic", 1.08, 0, 0.02, "fungal"),
        new("oatFlour", "oat flour", 0.55, 0.05, 1.00, "fungal"),
        new("sugarSyrup", "sugar syrup", 1.28, 0.65, 0, "bacterial"),
    ];

    /// <summary>Diffusers, by kind.</summary>
    public static readonly IReadOnlyList<DiffuserKind> Diffusers =
    [
        new("openHose", "open hose", 0.015, 0.2),
        new("drilledPipe", "drilled pipe", 0.02, 1),
        new("airStone", "air stone", 0.05, 3),
        new("fineMembrane", "fine membrane", 0.065, 4),
    ];

    /// <summary>What clears water, by kind, for the shelf.</summary>
    public static readonly IReadOnlyList<(string Kind, string Name)> Clearers = [("ascorbicAcid", "ascorbic acid"),
        ("thiosulfate", "sodium thiosulfate"), ("citricAcid", "citric acid")];

    private static readonly Dictionary<string, string> OtherNames = new(StringComparer.OrdinalIgnoreCase) {
        ["wormCastings"] = "castings",
        ["vermicast"] = "castings",
        ["fish"] = "fishHydrolysate",
        ["kelp"] = "kelpLiquid",
        ["liquidKelp"] = "kelpLiquid",
        ["kelpSolublePowder"] = "kelpPowder",
        ["kelpSoluble"] = "kelpPowder",
        ["solubleKelp"] = "kelpPowder",
        ["kelpPowderSoluble"] = "kelpPowder",
        ["humic"] = "humicLiquid",
        ["liquidHumic"] = "humicLiquid",
        ["flour"] = "oatFlour",
        ["oat"] = "oatFlour",
        ["syrup"] = "sugarSyrup",
        ["membrane"] = "fineMembrane",
        ["hose"] = "openHose",
        ["pipe"] = "drilledPipe",
        ["stone"] = "airStone",
    };

    /// <summary>The source of that name, or null. "worm castings" and "castings" are the same.</summary>
    public static SourceKind? Source(string? kind) => Find(Sources, s => s.Kind, kind);

    /// <summary>The food of that name, or null. "fish hydrolysate" and "fishHydrolysate" are the same.</summary>
    public static FoodKind? Food(string? kind) => Find(Foods, f => f.Kind, kind);

    /// <summary>The diffuser of that name, or null.</summary>
    public static DiffuserKind? Diffuser(string? kind) => Find(Diffusers, d => d.Kind, kind);

    private static T? Find<T>(IReadOnlyList<T> table, Func<T, string> name, string? kind)
        where T : class
    {
        var plain = string.Concat((kind ?? "").Where(char.IsLetter));
        plain = OtherNames.GetValueOrDefault(plain, plain);
        return table.FirstOrDefault(x => string.Equals(name(x), plain, StringComparison.OrdinalIgnoreCase));
    }
}
