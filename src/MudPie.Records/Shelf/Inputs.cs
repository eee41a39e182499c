using MudPie.Core.Brewing;
using MudPie.Core.PuttingOut;

namespace MudPie.Records.Shelf;

/// <summary>Something on the shelf that goes in a brew.</summary>
public sealed class Input : IVersioned
{
    public int Id { get; set; }

    /// <inheritdoc/>
    public Guid Version { get; set; }

    public required string Name { get; set; }

    /// <summary>A kind of source or food of the brew model.</summary>
    public required string Kind { get; set; }

    /// <summary>The lot's own mark.</summary>
    public string? Lot { get; set; }

    /// <summary>Why it is not to be used, or null.</summary>
    public string? UnfitWhy { get; set; }

    /// <summary>Price per litre of a liquid or a source, per kilogram of a powder, in the holding's own money.</summary>
    public double? Price { get; set; }

    /// <summary>"L" or "kg": how its lots are kept; null for the usual of its kind.</summary>
    public string? Unit { get; set; }

    /// <summary>kg/L, to go between the two; null where not known.</summary>
    public double? Density { get; set; }

    /// <summary>Organisms on the label as JSON: a list of LabelSpecies.</summary>
    public IReadOnlyList<LabelSpecies>? Species { get; set; }

    /// <summary>"mL" or "g": what the label's counts are per.</summary>
    public string? LabelPer { get; set; }

    /// <summary>The label's rate each time, in mL or g.</summary>
    public double? LabelRate { get; set; }

    /// <summary>What the label's rate is on.</summary>
    public RateBasis? LabelBasis { get; set; }

    /// <summary>All that the label says of rates, as it says it: a list of LabelRate as JSON. The first is also in LabelRate and LabelBasis
    /// where they can hold it.</summary>
    public IReadOnlyList<LabelRate>? LabelRates { get; set; }

    /// <summary>The label's rates as they were typed.</summary>
    public string? LabelTyped { get; set; }

    /// <summary>The label's days between.</summary>
    public double? LabelEveryDays { get; set; }

    /// <summary>The label's days before harvest.</summary>
    public double? LabelWaitDays { get; set; }

    /// <summary>Nitrogen by weight, 0 to 1.</summary>
    public double? NShare { get; set; }

    /// <summary>P₂O₅ by weight, 0 to 1.</summary>
    public double? PShare { get; set; }

    /// <summary>K₂O by weight, 0 to 1.</summary>
    public double? KShare { get; set; }

    /// <summary>pH as it stands in the bottle.</summary>
    public double? Ph { get; set; }

    public string? Notes { get; set; }

    public List<SourceCheck> Checks { get; } = [];

    public List<StockLot> Lots { get; } = [];
}

/// <summary>The gate of a lot of source, asked once. A later one counts instead; the earlier stays readable.</summary>
public sealed class SourceCheck
{
    public int Id { get; set; }

    public int InputId { get; set; }

    public DateTimeOffset At { get; set; }

    /// <summary>SourceAnswers as JSON.</summary>
    public required SourceAnswers Answers { get; set; }
}
