using MudPie.Core.Judging.Trials;
using MudPie.Core.Workings;
using MudPie.Server.Web;

namespace MudPie.Server.Judging;

/// <summary>A treatment as it is typed.</summary>
public sealed record TreatmentRequest
{
    public string? Name { get; init; }

    public IReadOnlyList<string>? Levels { get; init; }

    public TrialRole? Role { get; init; }

    public int? InputId { get; init; }

    /// <summary>"20 mL", "3 g", "5 L".</summary>
    public string? Rate { get; init; }

    /// <summary>"perM2", "perPlot" or "perHa".</summary>
    public string? RateBasis { get; init; }

    /// <summary>Water to carry it, on a square metre: "1 L".</summary>
    public string? Water { get; init; }
}

/// <summary>A place as it is typed.</summary>
public sealed record PlaceRequest(string? Name, string? Length, string? Width);

/// <summary>A measure: one that comes ready, or one's own.</summary>
public sealed record MeasureRequest
{
    /// <summary>Id of one that comes ready; null for one's own.</summary>
    public string? KindId { get; init; }

    public string? Name { get; init; }

    public string? Unit { get; init; }

    public Scale? Kind { get; init; }

    public double? Low { get; init; }

    public double? High { get; init; }

    public bool LowerIsBetter { get; init; }

    public double? OutOf { get; init; }

    /// <summary>"last", "mean" or "half".</summary>
    public string? Dates { get; init; }
}

/// <summary>A trial's plan as it is typed.</summary>
public sealed record TrialRequest
{
    /// <summary>What the number of plots is chosen for: "seen", "twice" or "works".</summary>
    public string? SureFor { get; init; }

    /// <summary>As it was read, so that two windows do not overwrite each other; null for a new one.</summary>
    public Guid? Version { get; init; }

    public string? TemplateId { get; init; }

    /// <summary>The protocol by which it is planned; null for none.</summary>
    public int? ProtocolId { get; init; }

    public string? Question { get; init; }

    public string? Crop { get; init; }

    public string? Season { get; init; }

    public string? Displaces { get; init; }

    public Design? Design { get; init; }

    public TrialKind? Kind { get; init; }

    public bool Liquid { get; init; }

    public IReadOnlyList<string>? Factors { get; init; }

    public IReadOnlyList<TreatmentRequest>? Treatments { get; init; }

    public string? NoControlWhy { get; init; }

    public string? NoWaterWhy { get; init; }

    public int? Replicates { get; init; }

    /// <summary>Noise in the main measure's unit, "0.16"; empty where it is not known.</summary>
    public string? Noise { get; init; }

    /// <summary>Smallest difference worth having, "0.15".</summary>
    public string? WorthHaving { get; init; }

    public TrialMoney? Money { get; init; }

    public IReadOnlyList<PlaceRequest>? Places { get; init; }

    public IReadOnlyList<MeasureRequest>? Measures { get; init; }

    public bool Blind { get; init; } = true;
}

/// <summary>A draw of the layout.</summary>
public sealed record DrawRequest
{
    /// <summary>Needed where one is drawn already: why it is drawn again.</summary>
    public string? Why { get; init; }
}

/// <summary>A step of a trial: started, codes opened, ended, put on.</summary>
public sealed record TrialStepRequest
{
    /// <summary>"start", "open", "end" or "treat".</summary>
    public string? Step { get; init; }

    /// <summary>For "treat".</summary>
    public int? TreatmentId { get; init; }

    /// <summary>For "treat": "leaf" or "root".</summary>
    public Purpose? Purpose { get; init; }

    /// <summary>For "treat": why it goes on against a mixing rule, in words.</summary>
    public string? MixWhy { get; init; }

    public DateTimeOffset? At { get; init; }
}

/// <summary>One figure on one plot.</summary>
public sealed record TrialReadingRequest
{
    public int? PlotId { get; init; }

    public int? MeasureId { get; init; }

    /// <summary>The day that it counts for; where not given, that of <see cref="At"/>.</summary>
    public DateTimeOffset? On { get; init; }

    /// <summary>When it was measured; now where not given.</summary>
    public DateTimeOffset? At { get; init; }

    /// <summary>"3.16", "3,16", "44/48"; empty where the plot is missing.</summary>
    public string? Value { get; init; }

    /// <summary>Why it is missing.</summary>
    public string? MissingWhy { get; init; }

    /// <summary>It lies outside the likely range, and is right.</summary>
    public bool KeepAnyway { get; init; }

    /// <summary>What was wrong with the figure that stands there already.</summary>
    public string? CorrectionWhy { get; init; }
}

/// <summary>A trial in a list.</summary>
public sealed record TrialLine(int Id, string Question, string Crop, string Season, Design Design, TrialState State, int Plots, string Says,
    string? Verdict, bool IsDemo);

/// <summary>A treatment as it stands.</summary>
public sealed record TreatmentView(int Id, string Name, IReadOnlyList<string> Levels, TrialRole Role, int? InputId, string? Input,
    string? RateShown, string? WaterShown, string? Rate, string? Water);

/// <summary>A plot as it stands.</summary>
public sealed record PlotView(int Id, int Number, string Code, int? TreatmentId, string? Treatment, string? Block, string? WholePlot,
    string Place, double X, double Y, double Length, double Width, IReadOnlyList<int> Photos);

/// <summary>A measure as it stands, with its dates.</summary>
public sealed record MeasureView(int Id, string Name, string Unit, Scale Kind, double Low, double High, bool LowerIsBetter, double? OutOf,
    DatesTo Dates, IReadOnlyList<DateTimeOffset> On, int Measured);

/// <summary>A place with its sizes.</summary>
public sealed record PlaceView(string Name, double LengthM, double WidthM, string LengthShown, string WidthShown);

/// <summary>What was done, and who wrote it.</summary>
public sealed record TrialEventView(DateTimeOffset At, string Kind, string Text, WroteView? Wrote);

/// <summary>A trial, whole.</summary>
public sealed record TrialView
{
    public required int Id { get; init; }

    public required Guid Version { get; init; }

    public required string Question { get; init; }

    public required string Crop { get; init; }

    public required string Season { get; init; }

    public required string? Displaces { get; init; }

    public required Design Design { get; init; }

    public required TrialKind Kind { get; init; }

    public required bool Liquid { get; init; }

    public required IReadOnlyList<string> Factors { get; init; }

    public required string? NoControlWhy { get; init; }

    public required string? NoWaterWhy { get; init; }

    public required int Replicates { get; init; }

    public required string EachSays { get; init; }

    public required double? Noise { get; init; }

    public required string NoiseSays { get; init; }

    public required double? WorthHaving { get; init; }

    public required TrialMoney? Money { get; init; }

    public required IReadOnlyList<PlaceView> Places { get; init; }

    public required int Seed { get; init; }

    public required bool Blind { get; init; }

    public required bool Shut { get; init; }

    public required TrialState State { get; init; }

    public required DateTimeOffset? StartedAt { get; init; }

    public required DateTimeOffset? EndedAt { get; init; }

    public required IReadOnlyList<TreatmentView> Treatments { get; init; }

    public required IReadOnlyList<PlotView> Plots { get; init; }

    public required IReadOnlyList<MeasureView> Measures { get; init; }

    public required IReadOnlyList<TrialEventView> Events { get; init; }

    public required IReadOnlyList<StrengthLine> Strength { get; init; }

    public required Worked<ReplicatesCurve>? Curve { get; init; }

    public required string? CurveWants { get; init; }

    public required Published? Published { get; init; }

    public required string? TemplateId { get; init; }

    /// <summary>The protocol by which others try the same; null for none.</summary>
    public required int? ProtocolId { get; init; }
}

/// <summary>A figure on the sheet, and who wrote it.</summary>
public sealed record SheetReading(int Id, int PlotId, int MeasureId, DateTimeOffset On, double? Value, double? OutOf, string? MissingWhy,
    bool KeptAnyway, string Shown, IReadOnlyList<string> Before, WroteView? Wrote);

/// <summary>A plot on the sheet: by number and code; nothing tells what it got.</summary>
public sealed record SheetPlot(int Id, int Number, string Code, string Place, string? Block);

/// <summary>The measuring sheet.</summary>
public sealed record SheetView(int TrialId, string Question, TrialState State, IReadOnlyList<SheetPlot> Plots,
    IReadOnlyList<MeasureView> Measures, IReadOnlyList<SheetReading> Readings);

/// <summary>What one treatment takes.</summary>
public sealed record AmountLine(int TreatmentId, string Treatment, int Plots, string AreaShown, string? Product, string? PerPlotShown,
    string? InAllShown, string? WaterPerPlotShown, string? WaterInAllShown, int? Loads, string? Shelf, bool Short, int Done,
    IReadOnlyList<Caution> Cautions);

/// <summary>A trial judged.</summary>
public sealed record TrialJudged(
    int MeasureId, Worked<TrialAnswer> Answer, double? WorthHaving, bool LowerIsBetter, Worked<EarnAnswer>? Money,
    IReadOnlyList<StrengthLine> Strength, string DatesSay, IReadOnlyList<string> Settle, string? WaterSays, IReadOnlyList<DotView> Dots);

/// <summary>A plot's figure, for drawing.</summary>
public sealed record DotView(string Plot, string Treatment, string? Block, double Value);
