using MudPie.Core.Brewing;
using MudPie.Core.PuttingOut;
using MudPie.Records.Ground;
using MudPie.Records.Shelf;

namespace MudPie.Records.Brewing;

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

    /// <summary>Begun at once, for no hour: each reading moves its hour of use to the first window that it can meet.</summary>
    public bool RunsForward { get; set; }

    /// <summary>The round that it belongs to: brewed again and again.</summary>
    public int? RoundId { get; set; }

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

    /// <summary>How it stands, for a deed of the core.</summary>
    public BrewStands Stands() => new(State, Making, StartedAt, [.. Steps.Select(s => s.Id)]);

    /// <summary>Takes what a deed of the core makes of it.</summary>
    /// <param name="change">The deed's entries and what follows from them.</param>
    /// <param name="now">When it was written down.</param>
    /// <param name="source">"hand", "logger" or "demo".</param>
    /// <returns>The entry of the deed itself.</returns>
    public LogEntry Take(BrewChange change, DateTimeOffset now, string source)
    {
        (State, StartedAt, StripWaiver) = (change.State, change.StartedAt ?? StartedAt, change.Waiver ?? StripWaiver);
        // A deed that ends a brew stops its air; one whose air was off already keeps that hour.
        AirOffAt = change.State is BatchState.Off ? change.AirOffAt ?? AirOffAt : AirOffAt ?? change.AirOffAt;
        List<LogEntry> entries = [.. change.Entries.Select(e => new LogEntry {
            Kind = e.Kind, At = e.At, RecordedAt = now, Number = e.Number, Text = e.Text, Typed = e.Typed, Source = source
        })];
        Log.AddRange(entries);
        return entries.First(e => e.Kind == change.Deed);
    }
}

/// <summary>The same brew again on the same beds, every so often. The next is planned when it is near; nothing is begun by
/// itself.</summary>
public sealed class BrewRound : IVersioned
{
    public int Id { get; set; }

    /// <summary>The brew that it repeats.</summary>
    public int BatchId { get; set; }

    public Batch Batch { get; set; } = null!;

    public Every Every { get; set; }

    /// <summary>From when on nothing more comes of it; null while it runs.</summary>
    public DateTimeOffset? StoppedAt { get; set; }

    public Guid Version { get; set; }
}

/// <summary>A bed that a batch is for.</summary>
public sealed class BatchBed
{
    public int BatchId { get; set; }

    public int BedId { get; set; }

    public Bed Bed { get; set; } = null!;
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

    /// <summary>What the grower typed, word for word; null where nobody typed it.</summary>
    public string? Typed { get; set; }

    /// <summary>The deed's view of it.</summary>
    public BrewEntry Said() => new(Kind, At, Number, Text, Typed);

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

    /// <summary>The same, small; null where none was made.</summary>
    public byte[]? Small { get; set; }
}
