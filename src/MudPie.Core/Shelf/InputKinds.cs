namespace MudPie.Core.Shelf;

/// <summary>A kind of thing on the shelf, and what follows from it.</summary>
/// <param name="Kind">Stable name.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Group">"source", "food", "water", "inoculant", "biostimulant", "amendment", "part" or
/// "preparation".</param>
/// <param name="Unit">"L" or "kg": how its lots are kept.</param>
/// <param name="MixClass">Its class in the mixing rules.</param>
/// <param name="Life">"spores", "living" or "propagules" where it carries life; else null.</param>
/// <param name="WaitKind">Its kind in the waits before harvest.</param>
/// <param name="Biostimulant">Its kind among the biostimulants; else null.</param>
public sealed record InputKind(string Kind, string Name, string Group, string Unit, string MixClass, LifeForm? Life = null,
    string WaitKind = "other", string? Biostimulant = null);

/// <summary>All kinds that the shelf knows.</summary>
public static class InputKinds
{
    /// <summary>By group.</summary>
    public static readonly IReadOnlyList<InputKind> All =
    [
        new("compost", "compost", "source", "L", "brew", null, "inoculant"),
        new("castings", "castings", "source", "L", "brew", null, "inoculant"),
        new("molasses", "molasses", "food", "L", "molasses", null, "biostimulant"),
        new("fishHydrolysate", "fish hydrolysate", "food", "L", "fish", null, "biostimulant", "fish"),
        new("kelpLiquid", "liquid kelp", "food", "L", "seaweed", null, "biostimulant", "seaweed"),
        new("kelpPowder", "soluble kelp powder", "food", "kg", "alkaliSeaweed", null, "biostimulant", "seaweed"),
        new("humicLiquid", "liquid humic", "food", "L", "humic", null, "biostimulant", "humic"), new("oatFlour", "oat flour", "food", "kg",
            "other", null, "biostimulant"), new("sugarSyrup", "sugar syrup", "food", "L", "molasses", null, "biostimulant"),
        new("ascorbicAcid", "ascorbic acid", "water", "kg", "ascorbic"), new("citricAcid", "citric acid", "water", "kg", "acid"),
        new("thiosulfate", "sodium thiosulfate", "water", "kg", "thiosulfate"),
        new("sporeInoculant", "spore-forming bacteria", "inoculant", "L", "spores", LifeForm.Spores, "inoculant"),
        new("livingInoculant", "living bacteria", "inoculant", "L", "living", LifeForm.Living, "inoculant"),
        new("mycorrhiza", "mycorrhiza", "inoculant", "kg", "mycorrhiza", LifeForm.Propagules, "inoculant"),
        new("trichoderma", "Trichoderma", "inoculant", "kg", "trichoderma", LifeForm.Living, "inoculant"),
        new("seaweed", "liquid seaweed", "biostimulant", "L", "seaweed", null, "biostimulant", "seaweed"),
        new("driedSeaweed", "dried seaweed", "biostimulant", "kg", "seaweed", null, "biostimulant"),
        new("fulvic", "fulvic acid", "biostimulant", "L", "fulvic", null, "biostimulant", "fulvic"),
        new("amino", "amino acids", "biostimulant", "L", "amino", null, "biostimulant", "amino"),
        new("silica", "silica", "biostimulant", "L", "silica", null, "biostimulant", "silica"),
        new("char", "char", "part", "L", "other", null, "inoculant"), new("part", "part of a mix", "part", "L", "other", null, "inoculant"),
        new("chargedChar", "charged char", "part", "L", "other", null, "inoculant"), new("mix", "a potting mix", "part", "L", "other", null,
            "inoculant"),
        new("byproduct", "a by-product", "part", "L", "other", null, "inoculant"),
        new("hornManure", "horn manure", "preparation", "kg", "other", null, "manure"),
        new("preparation", "a preparation", "preparation", "kg", "other"),
        new("mineral", "a mineral", "amendment", "kg", "salts", null, "inoculant"), new("organicFeed", "an organic feed", "amendment", "kg",
            "other", null, "inoculant"), new("manure", "manure", "amendment", "kg", "ammonium", null, "manure"),
        new("fungicide", "a fungicide", "spray", "L", "fungicide", null, "spray"), new("copperSpray", "copper", "spray", "kg", "copper",
            null, "spray"), new("sulphurSpray", "sulphur", "spray", "kg", "sulphur", null, "spray"),
        new("peroxide", "peroxide or peracetic acid", "spray", "L", "peroxide", null, "spray"),
        new("soap", "oil or soap", "spray", "L", "oil", null, "spray"),
        new("limeSulphur", "lime sulphur", "spray", "L", "limeSulphur", null, "spray"),
        new("bleach", "bleach or another chlorine product", "water", "L", "chlorine"), new("acid", "an acid", "water", "L", "acid"),
        new("caustic", "lime, ash or lye", "amendment", "kg", "caustic"),
        new("nitrogenFeed", "ammonium, urea or manure liquid", "amendment", "L", "ammonium"),
        new("other", "something else", "amendment", "kg", "other"),
    ];

    /// <summary>The kind of that name; "something else" where it is not known.</summary>
    public static InputKind Of(string kind) => All.FirstOrDefault(k => k.Kind == kind) ?? All[^1] with { Kind = kind };

    /// <summary>True for a kind of the list.</summary>
    public static bool Knows(string? kind) => All.Any(k => k.Kind == kind);
}
