namespace MudPie.Core.Judging.Together;

/// <summary>Something that a protocol compares.</summary>
/// <param name="Name">What it is called: by it every garden's figures find each other.</param>
/// <param name="Role">What it is there for.</param>
/// <param name="Rate">How much of it, as it is typed: "20 mL a m²"; null for none.</param>
/// <param name="Water">Water to carry it, as it is typed, on a square metre: "1 L"; null for none.</param>
public sealed record ProtocolArm(string Name, TrialRole Role, string? Rate, string? Water);

/// <summary>Something that every garden measures.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Unit">Its unit; empty for scores.</param>
/// <param name="Kind">Amount, score or count.</param>
/// <param name="Low">Below it a figure is asked about.</param>
/// <param name="High">Above it a figure is asked about.</param>
/// <param name="LowerIsBetter">Less is better.</param>
/// <param name="OutOf">For counts: out of how many.</param>
/// <param name="Dates">How several dates become one figure.</param>
public sealed record ProtocolMeasure(string Name, string Unit, Scale Kind, double Low, double High, bool LowerIsBetter, double? OutOf,
    DatesTo Dates);

/// <summary>What several gardens try alike: it goes from one to another as a file, and says nothing else of whoever wrote it.</summary>
public sealed record TrialProtocol
{
    /// <summary>The form that is written and read.</summary>
    public const string This = "mud-pie-protocol/1";

    /// <summary>Which form it is in.</summary>
    public string? Form { get; init; }

    /// <summary>By which results find it.</summary>
    public Guid Mark { get; init; }

    /// <summary>Who asks, by their own name for themselves.</summary>
    public string? From { get; init; }

    /// <summary>The question in one sentence.</summary>
    public string? Question { get; init; }

    /// <summary>What the new thing takes the place of, to be kept alike.</summary>
    public string? Displaces { get; init; }

    /// <summary>How it is laid out; a garden may lie in another way.</summary>
    public Design? Design { get; init; }

    /// <summary>Pots, beds or strips.</summary>
    public TrialKind? Kind { get; init; }

    /// <summary>Put on as a liquid: water only belongs beside it, and is what all else is set against.</summary>
    public bool Liquid { get; init; }

    /// <summary>Measured without knowing.</summary>
    public bool Blind { get; init; }

    /// <summary>Plots of each, 1 to 40.</summary>
    public int? Replicates { get; init; }

    /// <summary>Smallest difference worth having, in the main measure's unit, above 0; null for none.</summary>
    public double? WorthHaving { get; init; }

    /// <summary>2 to 40, each with a name of its own.</summary>
    public IReadOnlyList<ProtocolArm>? Arms { get; init; }

    /// <summary>1 to 12; the first is the main one, of which results are sent.</summary>
    public IReadOnlyList<ProtocolMeasure>? Measures { get; init; }

    /// <summary>On which days after it begins it is measured, 0 to 3,000; none where it is not said.</summary>
    public IReadOnlyList<int>? Days { get; init; }

    /// <summary>What every difference is from: water only where a liquid is tried with it, else the control.</summary>
    public ProtocolArm? Reference() => (Liquid ? Arms?.FirstOrDefault(a => a.Role == TrialRole.Water) : null)
        ?? Arms?.FirstOrDefault(a => a.Role == TrialRole.Control);
}
