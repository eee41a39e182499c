using MudPie.Core.Measures;

namespace MudPie.Core.Judging.Trials;

/// <summary>Something that is measured on plots.</summary>
/// <param name="Id">Stable name.</param>
/// <param name="Name">As it is called.</param>
/// <param name="Unit">Its unit; empty for scores.</param>
/// <param name="Kind">"amount", "score" or "count" (so many out of so many).</param>
/// <param name="Low">Lowest that is likely; below it is asked about.</param>
/// <param name="High">Highest that is likely.</param>
/// <param name="LowerIsBetter">Less is better.</param>
/// <param name="In">The system whose holdings are offered it, metric or US customary; null for all.</param>
public sealed record MeasureKind(string Id, string Name, string Unit, Scale Kind, double Low, double High, bool LowerIsBetter = false,
    UnitSystem? In = null)
{
    /// <summary>True where a holding in these units is offered it; trials that have it keep it anyway.</summary>
    public bool For(UnitSystem units) => In is not { } system || system.IsUs() == units.IsUs(); // whose gallon is typed changes no yield
}

/// <summary>Measures that come ready, each with the range outside which a figure is asked about once.</summary>
public static class MeasureKinds
{
    /// <summary>All.</summary>
    public static readonly IReadOnlyList<MeasureKind> All =
    [
        new("up", "came up", "seeds", Scale.Count, 0, 500), new("daysToUp", "days to come up", "days", Scale.Amount, 1, 60, true),
        new("firstLeaf", "days to first true leaf", "days", Scale.Amount, 3, 90, true),
        new("height", "height", "cm", Scale.Amount, 0.5, 400, In: UnitSystem.Metric), new("stem", "stem", "mm", Scale.Amount, 0.3, 80,
            In: UnitSystem.Metric), new("flowering", "days to flower", "days", Scale.Amount, 5, 300, true),
        new("fruitSet", "flowers that set", "flowers", Scale.Count, 0, 500), new("greenness", "leaf greenness", "by chart or meter",
            Scale.Amount, 0, 99), new("rootMass", "root mass", "g", Scale.Amount, 0.01, 5000, In: UnitSystem.Metric),
        new("incidence", "plants with disease", "plants", Scale.Count, 0, 500, true), new("severity", "leaf taken by disease", "%",
            Scale.Amount, 0, 100, true), new("pests", "pests", "a plant", Scale.Amount, 0, 1000, true),
        new("stayed", "pests that stayed", "pests", Scale.Count, 0, 500, true), new("yieldPlot", "yield", "kg a plot", Scale.Amount, 0.005,
            20_000, In: UnitSystem.Metric), new("yieldM2", "yield", "kg a m²", Scale.Amount, 0.01, 40, In: UnitSystem.Metric),
        new("yieldMetre", "yield", "kg a metre", Scale.Amount, 0.01, 40, In: UnitSystem.Metric),
        new("yieldHa", "yield", "t a hectare", Scale.Amount, 0.05, 150, In: UnitSystem.Metric),
        new("stems", "stems cut", "stems a pot", Scale.Amount, 0, 200),
        new("shelfLife", "shelf life", "days", Scale.Amount, 0, 400), new("frost", "frost damage", "0 to 5", Scale.Score, 0, 5, true),
        new("drought", "drought damage", "0 to 5", Scale.Score, 0, 5, true),
        new("brix", "brix", "°Bx", Scale.Amount, 1, 30), new("score", "score", "0 to 5", Scale.Score, 0, 5),
        new("heightIn", "height", "in", Scale.Amount, 0.2, 160, In: UnitSystem.UsCustomary), new("stemIn", "stem", "in", Scale.Amount, 0.01,
            3, In: UnitSystem.UsCustomary), new("rootMassOz", "root mass", "oz", Scale.Amount, 0.0005, 180, In: UnitSystem.UsCustomary),
        new("yieldPlotLb", "yield", "lb a plot", Scale.Amount, 0.01, 45_000, In: UnitSystem.UsCustomary),
        new("yieldFt2", "yield", "lb a sq ft", Scale.Amount, 0.002, 8, In: UnitSystem.UsCustomary),
        new("yieldFoot", "yield", "lb a foot", Scale.Amount, 0.006, 27, In: UnitSystem.UsCustomary),
        new("yieldAcre", "yield", "lb an acre", Scale.Amount, 40, 130_000, In: UnitSystem.UsCustomary),
    ];

    /// <summary>The same measure as a holding in these units is offered it: for templates, which name the metric one.</summary>
    /// <remarks>"yieldM2" is "yieldFt2" in a US holding, and "brix" is brix everywhere.</remarks>
    public static string Same(string id, UnitSystem units) => units.IsUs() ? id switch {
        "height" => "heightIn",
        "stem" => "stemIn",
        "rootMass" => "rootMassOz",
        "yieldPlot" => "yieldPlotLb",
        "yieldM2" => "yieldFt2",
        "yieldMetre" => "yieldFoot",
        "yieldHa" => "yieldAcre",
        _ => id,
    } : id;

    /// <summary>The one of that name, or null.</summary>
    public static MeasureKind? Find(string? id) => All.FirstOrDefault(k => k.Id == id);
}
