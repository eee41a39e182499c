using MudPie.Core.Brewing;
using MudPie.Core.PuttingOut;
using MudPie.Records.Ground;
using MudPie.Records.Shelf;

namespace MudPie.Records.Brewing;

/// <summary>Where a batch stands.</summary>
public enum BatchState
{
    /// <summary>Planned, not begun.</summary>
    Planned,

    /// <summary>Source in, air on.</summary>
    Brewing,

    /// <summary>Air off, not yet used up.</summary>
    Off,

    /// <summary>Put out.</summary>
    Used,

    /// <summary>On the heap.</summary>
    Heaped,
}

/// <summary>One brew, from its plan to its end. The plan is kept as it was made; what happened is in the log.</summary>
public sealed class Batch : IVersioned
{
    public int Id { get; set; }

    public required string Name { get; set; }

    public BatchState State { get; set; }

    public required Making Making { get; set; }

    public required Purpose Purpose { get; set; }

    public int VesselId { get; set; }

    public Vessel Vessel { get; set; } = null!;

    public int PumpId { get; set; }

    public Pump Pump { get; set; } = null!;

    public int DiffuserId { get; set; }

    public Diffuser Diffuser { get; set; } = null!;

    public int WaterSourceId { get; set; }

    public WaterSource Water { get; set; } = null!;

    /// <summary>The brew as the model sees it.</summary>
    public required BrewQuestion Brew { get; set; }

    /// <summary>The schedule.</summary>
    public required IReadOnlyList<PlanStep> Steps { get; set; }

    public double BrewL { get; set; }

    /// <summary>Hours from the start to the planned end of the air.</summary>
    public double BrewHours { get; set; }

    public DateTimeOffset PlannedStart { get; set; }

    public DateTimeOffset UseAt { get; set; }

    public DateTimeOffset? StartedAt { get; set; }

    public DateTimeOffset? AirOffAt { get; set; }

    /// <summary>Why it was begun with a strip above zero or none, in the grower's words.</summary>
    public string? StripWaiver { get; set; }

    /// <summary>The version of the recipe that it was made by.</summary>
    public int? RecipeVersionId { get; set; }

    public RecipeVersion? RecipeVersion { get; set; }

    /// <summary>The lot of source in its bag.</summary>
    public int? SourceInputId { get; set; }

    public Input? SourceInput { get; set; }

    /// <summary>The lot of a second source, where two went in together.</summary>
    public int? SecondSourceInputId { get; set; }

    public Input? SecondSourceInput { get; set; }

    /// <summary>What it is to be put out with: a RaceKit as JSON; null for the house's choice of the kit.</summary>
    public RaceKit? Race { get; set; }

    /// <summary>What its readings taught, when it ended: multipliers as JSON; null where there were too few.</summary>
    public IReadOnlyDictionary<string, double>? Learnt { get; set; }

    /// <summary>Made by the demo's model, not by hand.</summary>
    public bool IsDemo { get; set; }

    public Guid Version { get; set; }

    public List<BatchBed> Beds { get; } = [];

    public List<LogEntry> Log { get; } = [];
}

/// <summary>A bed that a batch is for.</summary>
public sealed class BatchBed
{
    public int BatchId { get; set; }

    public int BedId { get; set; }

    public Bed Bed { get; set; } = null!;
}

/// <summary>What a log entry is about.</summary>
public enum LogKind
{
    /// <summary>mg/L.</summary>
    Oxygen,

    /// <summary>°C.</summary>
    Warmth,

    /// <summary>A <see cref="Core.Brewing.Smell"/> by name.</summary>
    Smell,

    /// <summary>A <see cref="Core.Brewing.Foam"/> by name.</summary>
    Foam,

    /// <summary>mg/L of chlorine.</summary>
    Strip,

    /// <summary>Words.</summary>
    Note,

    /// <summary>A picture; see <see cref="LogEntry.PhotoId"/>.</summary>
    Photo,

    /// <summary>A step of the schedule, by its id.</summary>
    Step,

    /// <summary>The source went in.</summary>
    Start,

    /// <summary>The air was stopped.</summary>
    AirOff,

    /// <summary>It went on the heap, and why.</summary>
    Heaped,

    /// <summary>Fed on the way: mL, and the kind of food.</summary>
    Fed,

    /// <summary>Other air from then on: L/min in all, at depth.</summary>
    AirTo,

    /// <summary>A test for gut germs: "found" or "clear".</summary>
    Pathogen,
}

/// <summary>One thing seen or done. Never changed: a correction is a new entry that points at the old one.</summary>
public sealed class LogEntry : IPutRight
{
    public int Id { get; set; }

    public int BatchId { get; set; }

    public LogKind Kind { get; set; }

    /// <summary>When it was so.</summary>
    public DateTimeOffset At { get; set; }

    /// <summary>When it was written down.</summary>
    public DateTimeOffset RecordedAt { get; set; }

    public double? Number { get; set; }

    public string? Text { get; set; }

    /// <summary>"hand", "logger" or "demo".</summary>
    public required string Source { get; set; }

    /// <summary>The entry that this one puts right.</summary>
    public int? CorrectsId { get; set; }

    public int? PhotoId { get; set; }
}

/// <summary>A picture, decoded and encoded again by Mud Pie.</summary>
public sealed class Photo
{
    public int Id { get; set; }

    /// <summary>The batch it shows; null for a strip of a water source.</summary>
    public int? BatchId { get; set; }

    public required byte[] Jpeg { get; set; }
}
