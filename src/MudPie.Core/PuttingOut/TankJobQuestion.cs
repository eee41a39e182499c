using MudPie.Core.Measures;

namespace MudPie.Core.PuttingOut;

/// <summary>A bed that gets some, and what is known of its ground.</summary>
public sealed record JobBed
{
    /// <summary>Its name.</summary>
    public required string Name { get; init; }

    /// <summary>0.1 to 1,000,000 m².</summary>
    public double AreaM2 { get; init; }

    /// <summary>"poor", "middling" or "living" by its last check; null where none was made.</summary>
    public Life? Life { get; init; }

    /// <summary>Which check said so: "cotton strip of 3 May".</summary>
    public string? LifeSays { get; init; }

    /// <summary>Plants that it is poured at, 1 to 1,000,000; null where it goes on the whole bed.</summary>
    public double? Plants { get; init; }

    /// <summary>A rate of its own: mixed litres on a hectare, 1 to 200,000; null for the job's.</summary>
    public double? RateLPerHa { get; init; }
}

/// <summary>Something from the shelf that goes in the tank.</summary>
public sealed record JobProduct
{
    /// <summary>Its name.</summary>
    public required string Name { get; init; }

    /// <summary>"mL" or "g".</summary>
    public required string Unit { get; init; }

    /// <summary>What the rate is on: ground, a litre of mix, a plant, or one part in so many of the mix.</summary>
    public required RateBasis Basis { get; init; }

    /// <summary>How much, on that basis; more than 0 to 1,000,000.</summary>
    public double? Rate { get; init; }
}

/// <summary>A job: ground, tank, a brew or none, products or none.</summary>
public sealed record TankJobQuestion
{
    /// <summary>Units that sentences speak in; the sum itself is done in SI.</summary>
    public UnitSystem Units { get; init; }

    /// <summary>"leaf" or "root".</summary>
    public Purpose? Purpose { get; init; }

    /// <summary>At least one.</summary>
    public IReadOnlyList<JobBed> Beds { get; init; } = [];

    /// <summary>What the tank holds, 0.5 to 20,000 L.</summary>
    public double? TankL { get; init; }

    /// <summary>Spare for priming and dead volume, 0 to 0.5 of what goes on the ground.</summary>
    public double? SpareShare { get; init; }

    /// <summary>Strained brew that there is, L; null for a job without brew.</summary>
    public double? BrewL { get; init; }

    /// <summary>How far the brew is thinned, as text; needed with a brew.</summary>
    public string? Dilution { get; init; }

    /// <summary>Undiluted brew on 100 m² of ground that is poor or not known, L; null shares out all there is.</summary>
    public double? BrewPer100M2 { get; init; }

    /// <summary>Mixed litres on a hectare where there is no brew, 1 to 200,000.</summary>
    public double? RateLPerHa { get; init; }

    /// <summary>Mixed litres for one plant, poured at its stem, 0.01 to 200; null where it goes by area. Beds then say how many
    /// plants.</summary>
    public double? PerPlantL { get; init; }

    /// <summary>What else goes in.</summary>
    public IReadOnlyList<JobProduct> Products { get; init; } = [];

    /// <summary>The dose falls where checks say that the ground is alive.</summary>
    public bool StepDown { get; init; } = true;

    /// <summary>"mulch", "residue", "feed" (goes with it), "none", or null where it was not asked.</summary>
    public string? FoodWaiting { get; init; }
}

/// <summary>A product's amount.</summary>
public sealed record ProductAmount(string Name, string Unit, double Amount);

/// <summary>What one bed gets.</summary>
/// <param name="Name">The bed.</param>
/// <param name="AreaM2">m².</param>
/// <param name="MixL">Mixed litres.</param>
/// <param name="BrewL">Of them, brew.</param>
/// <param name="WaterL">Of them, water.</param>
/// <param name="BrewPer100M2">Brew on 100 m², L.</param>
/// <param name="Millimetres">As deep as rain.</param>
/// <param name="StepShare">Share of the full dose that its ground has earned.</param>
/// <param name="StepSays">Which check earned it; null where none did.</param>
/// <param name="Products">Products on it.</param>
public sealed record JobShare(
    string Name, double AreaM2, double MixL, double BrewL, double WaterL, double BrewPer100M2, double Millimetres, double StepShare,
    string? StepSays, IReadOnlyList<ProductAmount> Products, double? LitresAPlant = null);

/// <summary>What a load puts on a bed.</summary>
public sealed record LoadBed(string Name, double MixL);

/// <summary>One filling of the tank.</summary>
public sealed record JobLoad(double MixL, double BrewL, double WaterL, IReadOnlyList<ProductAmount> Products, IReadOnlyList<LoadBed> Beds);

/// <summary>The whole job.</summary>
/// <param name="Dilution">Both ways; null without brew.</param>
/// <param name="OneIn">One in how many; null without brew.</param>
/// <param name="MixL">Mixed in all, with the spare.</param>
/// <param name="BrewL">Brew in all.</param>
/// <param name="WaterL">Water in all.</param>
/// <param name="SpareL">Of the mix, spare.</param>
/// <param name="Products">Products in all.</param>
/// <param name="Beds">Each bed.</param>
/// <param name="Loads">Each filling: full ones, then the part tank; empty where there would be too many.</param>
/// <param name="LoadCount">How many fillings.</param>
/// <param name="FoodAsked">What to ask or say about food in the ground; null where there is no life in the tank to feed.</param>
/// <param name="Verdict">In a sentence.</param>
public sealed record TankJobAnswer(
    string? Dilution, double? OneIn, double MixL, double BrewL, double WaterL, double SpareL, IReadOnlyList<ProductAmount> Products,
    IReadOnlyList<JobShare> Beds, IReadOnlyList<JobLoad> Loads, int LoadCount, string? FoodAsked, Verdict Verdict);
