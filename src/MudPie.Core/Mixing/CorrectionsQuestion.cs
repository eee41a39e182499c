namespace MudPie.Core.Mixing;

/// <summary>Question of soil-corrections.</summary>
public sealed record CorrectionsQuestion
{
    /// <summary>Depth sampled, 1 to 100 cm.</summary>
    public double? DepthCm { get; init; }

    /// <summary>Of the soil, 0.05 to 2.5 kg/L.</summary>
    public double? BulkDensityKgPerL { get; init; }

    /// <summary>What the sheet says, mg/kg, 0 to 1,000,000, by nutrient.</summary>
    public IReadOnlyDictionary<string, double>? Test { get; init; }

    /// <summary>1 to 60 bands, by nutrient; each must have been tested.</summary>
    public IReadOnlyDictionary<string, TargetBand>? Targets { get; init; }

    /// <summary>Up to 200 inputs to choose from.</summary>
    public IReadOnlyList<CorrectionInput>? Inputs { get; init; }
}

/// <summary>Enough of a nutrient, and too much.</summary>
public sealed record TargetBand
{
    /// <summary>mg/kg, above 0.</summary>
    public double? Low { get; init; }

    /// <summary>mg/kg, at least the low end.</summary>
    public double? High { get; init; }
}

/// <summary>Something that could be put on.</summary>
public sealed record CorrectionInput
{
    /// <summary>What it is called; no two alike.</summary>
    public string? Name { get; init; }

    /// <summary>0 to 1,000,000 of the holding's money.</summary>
    public double? PricePerKg { get; init; }

    /// <summary>The usual agronomic maximum, 0 to 1,000,000 kg/ha; null for none.</summary>
    public double? CapKgPerHa { get; init; }

    /// <summary>Share of a nutrient that is given in the first year, 0 to 1; 1 where it is not named.</summary>
    public IReadOnlyDictionary<string, double>? Release { get; init; }

    /// <summary>Share of each nutrient by weight, as an element, 0 to 1.</summary>
    public IReadOnlyDictionary<string, double>? Content { get; init; }

    /// <summary>Share of it by weight.</summary>
    internal double Holds(string nutrient) => Content!.GetValueOrDefault(nutrient);

    /// <summary>Share of it by weight, given in the first year.</summary>
    internal double Gives(string nutrient) => Holds(nutrient) * (Release is { } r && r.TryGetValue(nutrient, out var share) ? share : 1);
}

/// <summary>What to put on, and what follows by balance of mass.</summary>
/// <param name="KgPerHa">Every input, kg/ha; nought where it is not wanted.</param>
/// <param name="After">Of each nutrient tested, mg/kg with what is given in the first year.</param>
/// <param name="AfterAll">The same once all of it has been given.</param>
/// <param name="CostPerHa">In the holding's money.</param>
/// <param name="Unmet">What the low end is short of, mg/kg; nutrients that reach it are left out.</param>
/// <param name="Why">Why each of those stays short, in a sentence.</param>
public sealed record CorrectionsAnswer(IReadOnlyDictionary<string, double> KgPerHa, IReadOnlyDictionary<string, double> After,
    IReadOnlyDictionary<string, double> AfterAll, double CostPerHa, IReadOnlyDictionary<string, double> Unmet,
    IReadOnlyDictionary<string, string> Why);
