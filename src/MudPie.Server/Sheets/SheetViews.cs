using MudPie.Core.Sheets;
using MudPie.Server.Works;

namespace MudPie.Server.Sheets;

/// <summary>A nutrient as it is drawn against its band.</summary>
/// <param name="Id">"P".</param>
/// <param name="Name">"phosphorus".</param>
/// <param name="Shown">As the sheet has it: "18 mg/kg", "above the scale".</param>
/// <param name="BandShown">"25 to 45"; null where there is none.</param>
/// <param name="Low">Low end as it is typed, in the unit of the bands; null where there is none.</param>
/// <param name="High">High end.</param>
/// <param name="Own">The band is the grower's own.</param>
/// <param name="At">Where it stands on its line, 0 to 1; null without a figure or a band.</param>
/// <param name="LowAt">Where the band begins.</param>
/// <param name="HighAt">Where it ends.</param>
/// <param name="AfterAt">Where it stands with what is given in the first year.</param>
/// <param name="AllAt">Where it stands once all of it has been given.</param>
/// <param name="Tone">Go where it is enough afterwards, mind where it stays short.</param>
/// <param name="ShortShown">"12 mg/kg short"; null where it is not.</param>
/// <param name="Why">Why it stays short.</param>
/// <param name="Choice">What is done about it.</param>
/// <param name="Flag">What else is to mind.</param>
public sealed record SheetNutrientView(string Id, string Name, string Shown, string? BandShown, string? Low, string? High, bool Own,
    double? At,
    double? LowAt, double? HighAt, double? AfterAt, double? AllAt, Tone Tone, string? ShortShown, string? Why, ShortfallChoice? Choice,
    string? Flag);

/// <summary>An input and its amount, told.</summary>
/// <param name="Name">What.</param>
/// <param name="Wanted">Whether any of it is wanted.</param>
/// <param name="Small">A square metre, in grams and spoons; of a mix, a litre.</param>
/// <param name="InAll">On the bed, the field or in the mix in all.</param>
/// <param name="AHectare">A hectare; null for a mix.</param>
/// <param name="CostShown">What that costs in all.</param>
/// <param name="Holds">What it holds: "Ca 22, S 17".</param>
/// <param name="Label">Its label, where that was converted.</param>
/// <param name="WhyNotMore">Why not more.</param>
public sealed record SheetGivenView(string Name, bool Wanted, string Small, string InAll, string? AHectare, string CostShown, string Holds,
    string? Label, string WhyNotMore);

/// <summary>The lab's advice, told.</summary>
public sealed record AdviceView(string Name, string Shown, string? CostShown);

/// <summary>A sheet worked out, told.</summary>
public sealed record SheetBenchView
{
    /// <summary>What to do.</summary>
    public required Verdict Verdict { get; init; }

    /// <summary>Nutrients against their bands.</summary>
    public required IReadOnlyList<SheetNutrientView> Nutrients { get; init; }

    /// <summary>pH, salts, organic matter, exchange: "pH 6.1 · CEC 12 meq/100 g".</summary>
    public required string? Properties { get; init; }

    /// <summary>Every input that was offered.</summary>
    public required IReadOnlyList<SheetGivenView> Given { get; init; }

    /// <summary>"36 m², the bed".</summary>
    public required string SizeShown { get; init; }

    /// <summary>What all of it costs there.</summary>
    public required string CostShown { get; init; }

    /// <summary>What the test itself cost; null where nobody said.</summary>
    public required string? TestCostShown { get; init; }

    /// <summary>Lime, in words; null where none was asked for.</summary>
    public required string? Lime { get; init; }

    /// <summary>Lime in all; null likewise, and where none is wanted.</summary>
    public required string? LimeInAll { get; init; }

    /// <summary>The lab's own advice.</summary>
    public required IReadOnlyList<AdviceView> Advice { get; init; }
}

/// <summary>Text that was pasted.</summary>
public sealed record SheetPasteRequest(string? Text);

/// <summary>A sheet that is begun or changed.</summary>
/// <param name="Id">Of one that is changed; null for a new one.</param>
/// <param name="Version">Of one that is changed, as it was read.</param>
/// <param name="Asked">The sheet.</param>
public sealed record SheetKeepRequest(int? Id, Guid? Version, SheetAsked? Asked);

/// <summary>An input of the shelf that a sheet may choose from.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Name">Its name.</param>
/// <param name="Holds">What it holds, as far as that is known; empty where nothing says.</param>
/// <param name="Priced">Whether its price is known.</param>
public sealed record SheetShelfInput(int Id, string Name, string Holds, bool Priced);

/// <summary>A lot that a sheet may be of, or a sheet.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Name">Its name.</param>
/// <param name="Mix">It is a mix, and no part of one; of a sheet: of stuff by the litre, and not of ground.</param>
public sealed record SheetTarget(int Id, string Name, bool Mix);

/// <summary>All sheets, what a new one begins with, and what it may choose from.</summary>
public sealed record SheetsView(IReadOnlyList<WorkLine> Sheets, SheetAsked Start, IReadOnlyList<SheetShelfInput> Shelf,
    IReadOnlyList<SheetTarget> Lots);

/// <summary>A step on a sheet's way.</summary>
/// <param name="Step">What.</param>
/// <param name="At">When; null where it is yet to come.</param>
public sealed record SheetStepView(WorkStep Step, DateTimeOffset? At);

/// <summary>A sheet as it stands.</summary>
public sealed record LabSheetView
{
    /// <summary>Its number.</summary>
    public required int Id { get; init; }

    /// <summary>Its version as it was read.</summary>
    public required Guid Version { get; init; }

    /// <summary>As it was typed.</summary>
    public required SheetAsked Asked { get; init; }

    /// <summary>How far it has come.</summary>
    public required SheetState State { get; init; }

    /// <summary>"out for its test, 12 days ago".</summary>
    public required string Word { get; init; }

    /// <summary>The bed or lot that it is of; null for none.</summary>
    public required string? Of { get; init; }

    /// <summary>From sampled to ready.</summary>
    public required IReadOnlyList<SheetStepView> Way { get; init; }

    /// <summary>What was put on by it, as it was worked out then; null before that.</summary>
    public required string? PutOn { get; init; }

    /// <summary>What can be done next.</summary>
    public required IReadOnlyList<WorkStep> Next { get; init; }

    /// <summary>How that is done.</summary>
    public required IReadOnlyList<string> How { get; init; }

    /// <summary>What was done, newest first.</summary>
    public required IReadOnlyList<WorkEntryView> Log { get; init; }
}
