
namespace MudPie.Core.Sheets;

/// <summary>A line of a sheet, as it is written there.</summary>
public sealed record SheetRow
{
    /// <summary>What: "P", "Phosphorus (P)", "K₂O".</summary>
    public string? Of { get; init; }

    /// <summary>"18", "&lt; 0.5", "above range".</summary>
    public string? Value { get; init; }

    /// <summary>"ppm", "mg/kg", "meq/100 g", "kg/ha", "lb/ac", "mg/L", "%".</summary>
    public string? Unit { get; init; }

    /// <summary>Where it was got out in another way than the rest.</summary>
    public Extraction? Method { get; init; }

    /// <summary>Of sap and leaves: young ones or old ones; null for young.</summary>
    public LeafAge? Age { get; init; }
}

/// <summary>A band of one's own or of a lab, mg/kg, mg/L of extract or sap, or for a dried leaf in per cent where it is said
/// so.</summary>
public sealed record BandAsked
{
    /// <summary>Of which nutrient.</summary>
    public string? Of { get; init; }

    /// <summary>Low end, as typed.</summary>
    public string? Low { get; init; }

    /// <summary>High end, as typed.</summary>
    public string? High { get; init; }

    /// <summary>Its unit; null for the usual one of that sheet.</summary>
    public string? Unit { get; init; }
}

/// <summary>Something that could be put on, as typed.</summary>
public sealed record SheetInputAsked
{
    /// <summary>On the shelf; null where it does not lie there.</summary>
    public int? InputId { get; init; }

    /// <summary>What it is called, where it does not lie on the shelf.</summary>
    public string? Name { get; init; }

    /// <summary>What a kilogram costs; empty for the shelf's.</summary>
    public string? Price { get; init; }

    /// <summary>The most that is usual, kg a hectare, or g a litre of mix; empty for the house's.</summary>
    public string? Most { get; init; }

    /// <summary>Per cent by weight: "Ca 22, S 17", "P2O5 12"; empty for its label's and the house's.</summary>
    public string? Holds { get; init; }

    /// <summary>Per cent of that in the first year: "P 10"; empty for the house's.</summary>
    public string? FirstYear { get; init; }
}

/// <summary>What the lab itself advises, as typed.</summary>
public sealed record LabAdvice
{
    /// <summary>Of what.</summary>
    public string? Name { get; init; }

    /// <summary>kg a hectare, or g a litre of mix.</summary>
    public string? Amount { get; init; }
}

/// <summary>What is done about a shortfall.</summary>
public sealed record ShortfallAsked
{
    /// <summary>Of which nutrient.</summary>
    public string? Of { get; init; }

    /// <summary>What.</summary>
    public ShortfallChoice? Choice { get; init; }

    /// <summary>When it was chosen; the server says.</summary>
    public DateOnly? On { get; init; }

    /// <summary>When it is looked at again; null for never.</summary>
    public DateOnly? Back { get; init; }
}

/// <summary>A sheet and what is asked of it; kept whole.</summary>
public sealed record SheetAsked
{
    /// <summary>What it is called.</summary>
    public string? Name { get; init; }

    /// <summary>What it is of.</summary>
    public SheetOf For { get; init; }

    /// <summary>The bed; null for none of the plan.</summary>
    public int? BedId { get; init; }

    /// <summary>The zone of that bed; null for the whole of it.</summary>
    public int? ZoneId { get; init; }

    /// <summary>The lot of mix on the shelf; null for none.</summary>
    public int? LotId { get; init; }

    /// <summary>When it was sampled; null for when that was ticked, or the sheet begun.</summary>
    public DateOnly? Taken { get; init; }

    /// <summary>Of a leaf, sap or tissue: what grows there, for its bands; empty for the bed's crop.</summary>
    public string? Plant { get; init; }

    /// <summary>Of a tissue: which part.</summary>
    public string? Part { get; init; }

    /// <summary>How large: an area, or litres of a mix.</summary>
    public string? Size { get; init; }

    /// <summary>Who tested it.</summary>
    public string? Lab { get; init; }

    /// <summary>What the test cost, as typed.</summary>
    public string? Cost { get; init; }

    /// <summary>How it was got out.</summary>
    public Extraction Method { get; init; }

    /// <summary>Depth sampled to.</summary>
    public string? Depth { get; init; }

    /// <summary>Depth sampled from; empty for the surface.</summary>
    public string? DepthFrom { get; init; }

    /// <summary>Bulk density, kg a litre, as typed.</summary>
    public string? Density { get; init; }

    /// <summary>Of a mix: litres of water that a litre of it holds at saturation, as typed.</summary>
    public string? Held { get; init; }

    /// <summary>What grows there.</summary>
    public CropGroup Crop { get; init; }

    /// <summary>By what it is judged.</summary>
    public SheetSchool School { get; init; }

    /// <summary>Up to 60 lines; none before the result has come.</summary>
    public IReadOnlyList<SheetRow> Rows { get; init; } = [];

    /// <summary>Bands of one's own.</summary>
    public IReadOnlyList<BandAsked> Bands { get; init; } = [];

    /// <summary>The lab's own bands, as they stand on its sheet: kept beside ours.</summary>
    public IReadOnlyList<BandAsked> LabBands { get; init; } = [];

    /// <summary>Up to 60 inputs to choose from.</summary>
    public IReadOnlyList<SheetInputAsked> Inputs { get; init; } = [];

    /// <summary>The lab's own advice.</summary>
    public IReadOnlyList<LabAdvice> Advice { get; init; } = [];

    /// <summary>What is done about each shortfall.</summary>
    public IReadOnlyList<ShortfallAsked> Choices { get; init; } = [];

    /// <summary>How lime is worked out.</summary>
    public LimeBy Lime { get; init; }

    /// <summary>pH, or base saturation in per cent, that is wanted of lime.</summary>
    public string? LimeTo { get; init; }

    /// <summary>Neutralising value of the lime, per cent; empty for 90.</summary>
    public string? LimeWorth { get; init; }
}

/// <summary>An input of the shelf, for its label and price.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Name">Its name.</param>
/// <param name="PricePerKg">In the holding's money; null where not known.</param>
/// <param name="KgPerL">As it lies; null where not known.</param>
/// <param name="N">N by weight, as labelled; null where not known.</param>
/// <param name="P2O5">P₂O₅ by weight.</param>
/// <param name="K2O">K₂O by weight.</param>
public sealed record ShelfInput(int Id, string Name, double? PricePerKg, double? KgPerL, double? N, double? P2O5, double? K2O);
