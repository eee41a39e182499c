using MudPie.Core.Mixing;

namespace MudPie.Core.Sheets;

/// <summary>What is enough in a leaf, and in sap. A start: a lab's own bands go first.</summary>
public static class PlantBands
{
    // Youngest fully opened leaf of a growing crop, of dry matter: N to S in per cent, the rest in mg/kg.
    private static readonly Dictionary<string, (double Low, double High)> Vegetable = new() {
        ["N"] = (3.0, 5.0), ["P"] = (0.30, 0.70), ["K"] = (3.0, 5.5), ["Ca"] = (1.0, 3.0), ["Mg"] = (0.30, 0.80), ["S"] = (0.25, 0.80),
        ["B"] = (25, 70), ["Cu"] = (5, 20), ["Fe"] = (50, 250), ["Mn"] = (30, 200), ["Zn"] = (20, 80), ["Mo"] = (0.2, 2),
    };

    private static readonly Dictionary<string, (double Low, double High)> Grain = new() {
        ["N"] = (2.8, 4.5), ["P"] = (0.25, 0.50), ["K"] = (2.0, 3.5), ["Ca"] = (0.25, 1.0), ["Mg"] = (0.15, 0.50), ["S"] = (0.15, 0.40),
        ["B"] = (5, 25), ["Cu"] = (5, 20), ["Fe"] = (40, 250), ["Mn"] = (25, 150), ["Zn"] = (20, 70), ["Mo"] = (0.1, 2),
    };

    private static readonly Dictionary<string, (double Low, double High)> Fruit = new() {
        ["N"] = (2.2, 3.2), ["P"] = (0.15, 0.40), ["K"] = (1.2, 2.5), ["Ca"] = (1.0, 2.5), ["Mg"] = (0.25, 0.60), ["S"] = (0.15, 0.40),
        ["B"] = (25, 60), ["Cu"] = (5, 20), ["Fe"] = (50, 200), ["Mn"] = (30, 200), ["Zn"] = (18, 60), ["Mo"] = (0.1, 2),
    };

    private static readonly Dictionary<string, (double Low, double High)> Legume = new() {
        ["N"] = (3.5, 5.5), ["P"] = (0.26, 0.60), ["K"] = (2.0, 3.5), ["Ca"] = (1.0, 2.5), ["Mg"] = (0.26, 0.80), ["S"] = (0.25, 0.50),
        ["B"] = (20, 70), ["Cu"] = (6, 20), ["Fe"] = (50, 250), ["Mn"] = (25, 150), ["Zn"] = (20, 70), ["Mo"] = (0.5, 5),
    };

    // Pressed stalks of leaves of fruiting vegetables and potatoes, mg/L: the only sap figures that several advisory tables share.
    private static readonly Dictionary<string, (double Low, double High)> Sap = new() {
        ["NO3-N"] = (400, 1200), ["K"] = (2500, 5000),
    };

    private static readonly string[] Legumes = ["bean", "pea", "clover", "vetch", "lucerne", "lupin", "lentil", "trefoil", "soy"];

    /// <summary>The house's band in mg/kg of dry matter, or in mg/L of sap; null where it has none.</summary>
    /// <param name="of">A leaf or sap; of other tissue there is none: parts differ too much.</param>
    /// <param name="nutrient">Its id.</param>
    /// <param name="crop">What kind of crop it is.</param>
    /// <param name="plant">What grows there, in the grower's words.</param>
    /// <param name="age">Bands are of young leaves; of old ones there is none.</param>
    /// <remarks>Nitrogen in a young leaf of tomatoes: 3.0 to 5.0 % of dry matter, 30,000 to 50,000 mg/kg; in one of beans from 3.5 %.
    /// Source: ranges that advisory tables of leaves share; they are by stage and part, and differ by a third, so a lab's own go
    /// first.</remarks>
    public static TargetBand? For(SheetOf of, string nutrient, CropGroup crop, string? plant, LeafAge age)
    {
        if (age == LeafAge.Old || !of.OfPlant() || of == SheetOf.Tissue)
        {
            return null;
        }

        if (of == SheetOf.Sap)
        {
            return crop == CropGroup.Vegetables && Sap.TryGetValue(nutrient, out var sap) ? new TargetBand {
                Low = sap.Low,
                High = sap.High
            } : null;
        }

        var table = IsLegume(plant) ? Legume : crop switch { CropGroup.Field => Grain, CropGroup.Fruit => Fruit, _ => Vegetable };
        var times = InPerCent(nutrient) ? 10_000 : 1;
        return table.TryGetValue(nutrient, out var band) ? new TargetBand { Low = band.Low * times, High = band.High * times } : null;
    }

    /// <summary>Whether labs give that nutrient of a dried leaf in per cent.</summary>
    public static bool InPerCent(string nutrient) => nutrient is "N" or "P" or "K" or "Ca" or "Mg" or "S" or "Na" or "NO3-N";

    private static bool IsLegume(string? plant) => plant is not null
        && Legumes.Any(l => plant.Contains(l, StringComparison.OrdinalIgnoreCase));
}
