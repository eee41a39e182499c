using MudPie.Core.Judging.Trials;
using MudPie.Records.Shelf;

namespace MudPie.Records.Judging;

/// <summary>A trial: its question, what is compared, where it lies and what came of it.</summary>
public sealed class Trial : IVersioned
{
    public int Id { get; set; }

    /// <summary>The question in one sentence.</summary>
    public required string Question { get; set; }

    public required string Crop { get; set; }

    /// <summary>Which season or year: "this spring", "2026".</summary>
    public string Season { get; set; } = "";

    /// <summary>What the new thing takes the place of, to be kept alike.</summary>
    public string? Displaces { get; set; }

    public required Design Design { get; set; }

    public required TrialKind Kind { get; set; }

    /// <summary>Put on as a liquid: water only belongs beside it.</summary>
    public bool Liquid { get; set; }

    /// <summary>Names of the factors, JSON; in a split plot the one on whole plots first.</summary>
    public required IReadOnlyList<string> Factors { get; set; }

    /// <summary>Why there is no untreated control, in the grower's words.</summary>
    public string? NoControlWhy { get; set; }

    /// <summary>Why there is no water only beside a liquid.</summary>
    public string? NoWaterWhy { get; set; }

    public int Replicates { get; set; }

    /// <summary>Noise between plots treated alike, guessed or from own history, in the main measure's unit.</summary>
    public double? Noise { get; set; }

    /// <summary>Smallest difference worth having, in the main measure's unit.</summary>
    public double? WorthHaving { get; set; }

    /// <summary>A TrialMoney as JSON.</summary>
    public TrialMoney? Money { get; set; }

    /// <summary>Where it lies: LayoutPlaces as JSON.</summary>
    public required IReadOnlyList<LayoutPlace> Places { get; set; }

    /// <summary>Seed of the draw in force.</summary>
    public int Seed { get; set; }

    /// <summary>Whoever measures sees codes only, until they are opened.</summary>
    public bool Blind { get; set; } = true;

    public TrialState State { get; set; }

    public DateTimeOffset CreatedAt { get; set; }

    public DateTimeOffset? StartedAt { get; set; }

    public DateTimeOffset? CodesOpenedAt { get; set; }

    public DateTimeOffset? EndedAt { get; set; }

    public string? TemplateId { get; set; }

    /// <summary>Laid out by lot here; false where it was brought from a file without saying so.</summary>
    public bool ByLot { get; set; } = true;

    public bool IsDemo { get; set; }

    /// <summary>The protocol by which others try the same; null where it is this holding's alone.</summary>
    public int? ProtocolId { get; set; }

    /// <summary>By which its result is known to them.</summary>
    public Guid? Garden { get; set; }

    public Guid Version { get; set; }

    public List<TrialTreatment> Treatments { get; } = [];

    public List<TrialPlot> Plots { get; } = [];

    public List<TrialMeasure> Measures { get; } = [];

    public List<TrialEvent> Events { get; } = [];

    /// <summary>True while whoever measures must not know.</summary>
    public bool Shut() => Blind && State == TrialState.Growing && CodesOpenedAt is null;

    /// <summary>As the rules know it.</summary>
    public LaidTrial Laid()
    {
        var laid = Treatments.OrderBy(t => t.Order).ToDictionary(t => t.Id == 0 ? -1 - t.Order : t.Id, t => t.Laid());
        return new LaidTrial {
            Design = Design,
            Liquid = Liquid,
            Factors = Factors,
            WorthHaving = WorthHaving,
            Replicates = Replicates,
            ByLot = ByLot,
            Blind = Blind,
            Treatments = [.. laid.Values],
            Plots = [.. Plots.Select(p => new TriedPlot(p.Id, p.Number, laid[p.TreatmentId], p.Block, p.WholePlot))],
        };
    }
}

/// <summary>Something that is compared.</summary>
public sealed class TrialTreatment
{
    public int Id { get; set; }

    public int TrialId { get; set; }

    public int Order { get; set; }

    public required string Name { get; set; }

    /// <summary>Its level of each factor, JSON.</summary>
    public required IReadOnlyList<FactorLevel> Levels { get; set; }

    public required TrialRole Role { get; set; }

    public int? InputId { get; set; }

    public Input? Input { get; set; }

    /// <summary>mL or g of the input per m².</summary>
    public double? RatePerM2 { get; set; }

    /// <summary>As it was typed.</summary>
    public string? RateTyped { get; set; }

    /// <summary>Water to carry it, L per m².</summary>
    public double? WaterLPerM2 { get; set; }

    /// <summary>As the rules know it.</summary>
    public LaidTreatment Laid() => new(Name, Role, [.. Levels.Select(l => l.Level)]);
}

/// <summary>A plot, pot, strip or tray.</summary>
public sealed class TrialPlot
{
    public int Id { get; set; }

    public int TrialId { get; set; }

    /// <summary>In walking order, from 1.</summary>
    public int Number { get; set; }

    public required string Code { get; set; }

    public int TreatmentId { get; set; }

    public TrialTreatment Treatment { get; set; } = null!;

    public string? Block { get; set; }

    public string? WholePlot { get; set; }

    /// <summary>Name of the bed, bench or field.</summary>
    public required string Place { get; set; }

    public double X { get; set; }

    public double Y { get; set; }

    public double Length { get; set; }

    public double Width { get; set; }
}

/// <summary>Something that is measured.</summary>
public sealed class TrialMeasure
{
    public int Id { get; set; }

    public int TrialId { get; set; }

    public int Order { get; set; }

    public required string Name { get; set; }

    public required string Unit { get; set; }

    public required Scale Kind { get; set; }

    public double Low { get; set; }

    public double High { get; set; }

    public bool LowerIsBetter { get; set; }

    /// <summary>Seeds or plants a plot, for counts.</summary>
    public double? OutOf { get; set; }

    /// <summary>How several dates become one figure.</summary>
    public DatesTo Dates { get; set; }

    /// <summary>As the rules know it.</summary>
    public LaidMeasure Laid() => new(Id, Order, Name, Unit, Kind, LowerIsBetter, OutOf, Dates);

    /// <summary>As a deed of the core knows it.</summary>
    public PlotMeasure Measured() => new(Name, Kind, Low, High, Unit, OutOf);
}

/// <summary>One figure on one plot. Never changed: a correction is a new one that points at the old.</summary>
public sealed class TrialReading : IPutRight
{
    public int Id { get; set; }

    public int TrialId { get; set; }

    public int PlotId { get; set; }

    public TrialPlot Plot { get; set; } = null!;

    public int MeasureId { get; set; }

    /// <summary>The day that it counts for, UTC midnight.</summary>
    public DateTimeOffset On { get; set; }

    public DateTimeOffset RecordedAt { get; set; }

    /// <summary>Null where the plot is missing.</summary>
    public double? Value { get; set; }

    public double? OutOf { get; set; }

    /// <summary>Why it is missing.</summary>
    public string? MissingWhy { get; set; }

    /// <summary>It lies outside the likely range and was kept all the same.</summary>
    public bool KeptAnyway { get; set; }

    public int? CorrectsId { get; set; }

    public string? CorrectionWhy { get; set; }

    /// <summary>As a deed of the core knows it.</summary>
    public PlotFigure Figure() => new(Value, OutOf, MissingWhy, KeptAnyway);

    /// <summary>As the rules know it.</summary>
    public DatedFigure Dated() => new(PlotId, MeasureId, On, Figure());
}

/// <summary>A photo of a plot.</summary>
public sealed class TrialPhoto
{
    public int Id { get; set; }

    public int TrialId { get; set; }

    public int PlotId { get; set; }

    public DateTimeOffset At { get; set; }

    public int PhotoId { get; set; }
}

/// <summary>What was done with a trial: drawn, re-drawn and why, started, codes opened. Never changed.</summary>
public sealed class TrialEvent
{
    public int Id { get; set; }

    public int TrialId { get; set; }

    public DateTimeOffset At { get; set; }

    /// <summary>"drawn", "started", "treated", "opened", "ended" or "brought".</summary>
    public required string Kind { get; set; }

    public required string Text { get; set; }
}

/// <summary>Results of sites and seasons put together on one claim.</summary>
public sealed class AcrossSet
{
    public int Id { get; set; }

    /// <summary>"Tea against water only, garlic".</summary>
    public required string Name { get; set; }

    public required string Unit { get; set; }

    public double? WorthHaving { get; set; }

    public bool IsDemo { get; set; }

    public List<AcrossResult> Results { get; } = [];
}

/// <summary>One trial's result in a set. Never changed; taken out by a later mark.</summary>
public sealed class AcrossResult
{
    public int Id { get; set; }

    public int AcrossSetId { get; set; }

    public required string Label { get; set; }

    /// <summary>Treatment less control.</summary>
    public double Difference { get; set; }

    /// <summary>Standard error squared.</summary>
    public double Variance { get; set; }

    /// <summary>The own trial; null where it came from a file.</summary>
    public int? TrialId { get; set; }

    public string? Source { get; set; }

    public DateTimeOffset AddedAt { get; set; }

    /// <summary>Taken out, and why.</summary>
    public string? OutWhy { get; set; }
}

/// <summary>Which level of a factor a treatment has.</summary>
public sealed record FactorLevel(string Factor, string Level);
