namespace MudPie.Core.PuttingOut;

/// <summary>One giving of a programme.</summary>
public sealed record ProgrammeStep
{
    /// <summary>A kind of <see cref="Biostimulants.Kinds"/>.</summary>
    public required string Kind { get; init; }

    /// <summary>The day.</summary>
    public DateOnly On { get; init; }

    /// <summary>"leaf" or "root".</summary>
    public required Purpose Purpose { get; init; }

    /// <summary>One part in so many; null for the middle of the usual.</summary>
    public double? OneIn { get; init; }
}

/// <summary>A season of givings on one bed.</summary>
public sealed record ProgrammeQuestion
{
    /// <summary>Sowing or transplanting.</summary>
    public DateOnly? Start { get; init; }

    /// <summary>First harvest, within two years.</summary>
    public DateOnly? Harvest { get; init; }

    /// <summary>m².</summary>
    public double? AreaM2 { get; init; }

    /// <summary>The crop, in the grower's words: its stages hang on it.</summary>
    public string? Crop { get; init; }

    /// <summary>Stages as the grower dated them; null for the crop's table, stretched to the season.</summary>
    public IReadOnlyList<StageFrom>? Dated { get; init; }

    /// <summary>Mixed litres on a hectare that a giving goes out in, 1 to 200,000; 500 when not given.</summary>
    public double? MixLPerHa { get; init; }

    /// <summary>The label of what is on the shelf, by kind.</summary>
    public IReadOnlyDictionary<string, LabelRate> Labels { get; init; } = new Dictionary<string, LabelRate>();

    /// <summary>The givings, in any order.</summary>
    public IReadOnlyList<ProgrammeStep> Steps { get; init; } = [];
}

/// <summary>A giving, looked at.</summary>
/// <param name="Kind">What.</param>
/// <param name="Name">What it is called.</param>
/// <param name="On">The day.</param>
/// <param name="Stage">In which stage it falls.</param>
/// <param name="Fit">"right", "late" or "wasted".</param>
/// <param name="Says">Why.</param>
/// <param name="OneIn">One part in so many.</param>
/// <param name="ProductL">Product for the bed, L.</param>
/// <param name="Hour">When in the day.</param>
/// <param name="Dose">The one dose behind it: whose, on what basis, how it goes in a tank.</param>
public sealed record StepLook(string Kind, string Name, DateOnly On, string Stage, string Fit, string Says, double OneIn, double ProductL,
    string Hour, Dose Dose);

/// <summary>A stage from a date on, as the grower has it.</summary>
public sealed record StageFrom(string Id, string Name, DateOnly From);

/// <summary>A season, looked at.</summary>
/// <param name="Steps">Each giving.</param>
/// <param name="Stages">The crop's stages by date.</param>
/// <param name="Misses">What it misses, in sentences.</param>
/// <param name="Needs">Product in all by kind, L.</param>
/// <param name="PotassiumG">K₂O that it brings to the bed, g.</param>
/// <param name="Verdict">In a sentence.</param>
public sealed record ProgrammeAnswer(
    IReadOnlyList<StepLook> Steps, IReadOnlyList<StageDates> Stages, IReadOnlyList<string> Misses,
    IReadOnlyDictionary<string, double> Needs, double PotassiumG, Verdict Verdict);

/// <summary>A stage by date.</summary>
public sealed record StageDates(string Id, string Name, DateOnly From, DateOnly To);
