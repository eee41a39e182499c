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
/// <param name="Age">Of a plant: how old the leaves were; else null.</param>
/// <param name="LabBand">The lab's own band: "30 to 50"; null where its sheet has none.</param>
/// <param name="BackShown">When that choice is looked at again, in words; null for never.</param>
/// <param name="Back">The same day; null likewise.</param>
public sealed record SheetNutrientView(string Id, string Name, string Shown, string? BandShown, string? Low, string? High, bool Own,
    double? At,
    double? LowAt, double? HighAt, double? AfterAt, double? AllAt, Tone Tone, string? ShortShown, string? Why, ShortfallChoice? Choice,
    string? Flag, LeafAge? Age, string? LabBand, string? BackShown, DateOnly? Back);

/// <summary>Old and young leaves of one nutrient, told.</summary>
/// <param name="Name">"potassium".</param>
/// <param name="Shown">"3,600 in young leaves, 2,100 in old".</param>
/// <param name="Tone">Go where nothing is amiss.</param>
/// <param name="Says">What that means.</param>
public sealed record LeafPairView(string Name, string Shown, Tone Tone, string Says);

/// <summary>A figure against the sheet before, told.</summary>
/// <param name="Name">"potassium".</param>
/// <param name="Shown">"96 to 136 mg/kg".</param>
/// <param name="Real">More than labs stray by.</param>
/// <param name="Says">"up by 42 %, more than labs stray".</param>
public sealed record FigureChangeView(string Name, string Shown, bool Real, string Says);

/// <summary>Against the sheet before of the same place.</summary>
/// <param name="Id">That sheet.</param>
/// <param name="Before">Its name, and when it was sampled.</param>
/// <param name="Changes">Figure by figure; none where they don't compare.</param>
/// <param name="WhyNot">Why not; null where they do.</param>
public sealed record SheetsComparedView(int Id, string Before, IReadOnlyList<FigureChangeView> Changes, string? WhyNot);

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

    /// <summary>Old and young leaves; empty where the sheet has not both.</summary>
    public required IReadOnlyList<LeafPairView> Pairs { get; init; }

    /// <summary>Against the sheet before of the same place; null for none.</summary>
    public SheetsComparedView? Compared { get; init; }
}

/// <summary>Text that was pasted.</summary>
/// <param name="Text">As pasted.</param>
/// <param name="For">What the sheet is of.</param>
public sealed record SheetPasteRequest(string? Text, SheetOf? For);

/// <summary>A lab's file, and how its columns are taken.</summary>
/// <param name="Text">As it stands, with its line of names.</param>
/// <param name="Lab">Whose; its columns are remembered.</param>
/// <param name="Columns">What each means; null for what was remembered, else guessed.</param>
/// <param name="Sample">Which sample; null for the first.</param>
public sealed record LabFileRequest(string? Text, string? Lab, IReadOnlyList<LabColumn>? Columns, string? Sample);

/// <summary>A lab is kept.</summary>
/// <param name="Name">Whose.</param>
/// <param name="Stray">By how much its figures stray, in per cent as typed; empty for what it was, or 12.</param>
/// <param name="Columns">How its files are read; null to leave them as they were.</param>
public sealed record LabKeepRequest(string? Name, string? Stray, IReadOnlyList<LabColumn>? Columns);

/// <summary>A lab, as it is kept.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Stray">By how much its figures stray, per cent.</param>
/// <param name="Columns">Columns of its files that are remembered.</param>
public sealed record LabView(string Name, double Stray, int Columns);

/// <summary>A place and when its soil is sampled.</summary>
/// <param name="BedId">The bed.</param>
/// <param name="ZoneId">The zone; null for the whole of it.</param>
/// <param name="Name">"Creek Field, low corner".</param>
/// <param name="Texture">"silty clay"; null where nobody felt it.</param>
/// <param name="Tone">Mind where it is overdue or was never sampled.</param>
/// <param name="Says">"last 12 Mar 2024 by the county lab: again March 2027 to March 2029".</param>
/// <param name="Bags">What is written on its bags.</param>
public sealed record SamplingLine(int BedId, int? ZoneId, string Name, string? Texture, Tone Tone, string Says, IReadOnlyList<string> Bags);

/// <summary>How a kind of sample is taken.</summary>
/// <param name="Of">Which kind.</param>
/// <param name="Name">"soil".</param>
/// <param name="Answers">The question that it answers.</param>
/// <param name="Steps">How.</param>
public sealed record SamplingHow(SheetOf Of, string Name, string Answers, IReadOnlyList<string> Steps);

/// <summary>What to sample, when and how.</summary>
public sealed record SamplingView(string Deep, IReadOnlyList<SamplingLine> Places, IReadOnlyList<SamplingHow> How,
    IReadOnlyList<LabView> Labs);

/// <summary>A place that is sampled.</summary>
public sealed record SamplingChosen(int? BedId, int? ZoneId);

/// <summary>Sheets are begun for the bags of these places.</summary>
public sealed record SamplingRequest(IReadOnlyList<SamplingChosen>? Places, string? Lab);

/// <summary>What the newest sheet of a kind says of a bed.</summary>
/// <param name="Of">Soil, leaf or sap.</param>
/// <param name="Id">The sheet.</param>
/// <param name="On">When it was sampled.</param>
/// <param name="Tone">Mind where something is short.</param>
/// <param name="Says">"short of potassium and boron", "nothing short".</param>
public sealed record BedSheetLine(SheetOf Of, int Id, DateOnly On, Tone Tone, string Says);

/// <summary>A bed and its newest sheets.</summary>
public sealed record BedSheets(int BedId, string Bed, string Crop, IReadOnlyList<BedSheetLine> Newest);

/// <summary>One figure on a bed's page.</summary>
/// <param name="SheetId">The sheet.</param>
/// <param name="On">When it was sampled.</param>
/// <param name="Of">Soil, leaf, sap, tissue.</param>
/// <param name="Shown">"96 mg/kg".</param>
/// <param name="Stands">Against its band.</param>
/// <param name="At">Across: 0 at the first day that is drawn, 1 at the last.</param>
/// <param name="Up">Upwards: 0 at nothing, a third at the band's low end, two thirds at its high one; null without a band.</param>
/// <param name="Series">Those of one series are joined.</param>
/// <param name="Old">Of old leaves.</param>
/// <param name="Where">"low corner, 0 to 10 cm"; empty for the whole bed.</param>
public sealed record BedFigure(int SheetId, DateOnly On, SheetOf Of, string Shown, FigureStands Stands, double At, double? Up,
    string Series,
    bool Old, string Where);

/// <summary>A nutrient on a bed's page.</summary>
public sealed record BedNutrient(string Id, string Name, Tone Tone, string? Says, IReadOnlyList<BedFigure> Figures);

/// <summary>A year on a bed's page.</summary>
public sealed record BedYear(int Year, double At);

/// <summary>Soil, leaf and sap of a bed on one page.</summary>
public sealed record BedSheetsView(int BedId, string Bed, string Crop, IReadOnlyList<BedNutrient> Nutrients, IReadOnlyList<BedYear> Years,
    IReadOnlyList<SheetTarget> Sheets, IReadOnlyList<SamplingHow> Questions);

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
    IReadOnlyList<SheetTarget> Lots, IReadOnlyList<LabView> Labs, IReadOnlyList<SheetZone> Zones);

/// <summary>A zone that a sheet may be of.</summary>
public sealed record SheetZone(int Id, int BedId, string Name);

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

    /// <summary>What was chosen and is to be looked at again now; null for nothing.</summary>
    public required string? Again { get; init; }

    /// <summary>What was done, newest first.</summary>
    public required IReadOnlyList<WorkEntryView> Log { get; init; }
}
