namespace MudPie.Core.Judging.Together;

/// <summary>What one arm gave in one garden.</summary>
/// <param name="Name">The arm, as the protocol calls it.</param>
/// <param name="Difference">Its mean less the reference's, in the measure's unit; points of a hundred for counts.</param>
/// <param name="StandardError">Of that difference, above 0.</param>
/// <param name="Plots">Plots of it that were measured.</param>
/// <param name="Mean">Its mean.</param>
/// <param name="ReferencePlots">Plots of the reference that were measured.</param>
/// <param name="ReferenceMean">The reference's mean.</param>
public sealed record ArmResult(string Name, double Difference, double StandardError, int Plots, double Mean, int ReferencePlots,
    double ReferenceMean);

/// <summary>What one garden found by a protocol: it goes back as a file, and says nothing else of the holding.</summary>
public sealed record GardenResult
{
    /// <summary>The form that is written and read.</summary>
    public const string This = "mud-pie-result/1";

    /// <summary>Which form it is in.</summary>
    public string? Form { get; init; }

    /// <summary>The mark of the protocol.</summary>
    public Guid Protocol { get; init; }

    /// <summary>The mark of this garden's trial: a later file of it takes the place of an earlier one.</summary>
    public Guid Garden { get; init; }

    /// <summary>By its own name for itself.</summary>
    public string? Name { get; init; }

    /// <summary>What grew there.</summary>
    public string? Crop { get; init; }

    /// <summary>When.</summary>
    public string? Season { get; init; }

    /// <summary>The reference by name.</summary>
    public string? Reference { get; init; }

    /// <summary>Measured without knowing.</summary>
    public bool Blind { get; init; }

    /// <summary>Laid out by lot.</summary>
    public bool ByLot { get; init; }

    /// <summary>1 to 40 of the protocol's arms.</summary>
    public IReadOnlyList<ArmResult>? Arms { get; init; }

    /// <summary>When it was worked out.</summary>
    public DateTimeOffset At { get; init; }

    /// <summary>Name, crop and season.</summary>
    public string Label() => string.Join(", ", new[] { Name, Crop, Season }.Where(s => !string.IsNullOrWhiteSpace(s)));
}
