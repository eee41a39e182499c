using System.Linq.Expressions;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Records.Shelf;
using MudPie.Server.Web;

namespace MudPie.Server.Brewing;

/// <summary>A batch in a list.</summary>
public sealed record BatchLine
{
    public required int Id { get; init; }

    public required string Name { get; init; }

    public required BatchState State { get; init; }

    public required Making Making { get; init; }

    public required Purpose Purpose { get; init; }

    public required string Vessel { get; init; }

    public required string VesselShape { get; init; }

    public required double BrewL { get; init; }

    public required string BrewShown { get; init; }

    public required DateTimeOffset PlannedStart { get; init; }

    public required DateTimeOffset? StartedAt { get; init; }

    public required DateTimeOffset? AirOffAt { get; init; }

    public required DateTimeOffset UseAt { get; init; }

    public required bool IsDemo { get; init; }

    public required IReadOnlyList<string> Beds { get; init; }

    public required double? LowestOxygen { get; init; }

    public required string Outcome { get; init; }
}

/// <summary>A step with when it was planned, when it was really done, and when that was written down where it was later.</summary>
public sealed record StepView(string Id, string Name, string Detail, DateTimeOffset At, double Minutes, DateTimeOffset? DoneAt,
    DateTimeOffset? WrittenAt);

/// <summary>An entry of the log; one that was put right says by which.</summary>
public sealed record LogView(int Id, LogKind Kind, DateTimeOffset At, double? Number, string? Text, string Shown, string Source,
    int? CorrectsId, int? CorrectedById, int? PhotoId, string? Typed, string Again)
{
    /// <summary>Who wrote it; null where nobody had to sign in, or a machine did.</summary>
    public WroteView? Wrote { get; init; }
}

/// <summary>A vessel to draw.</summary>
public sealed record VesselView(string Name, string Shape, double TotalL, double WorkingL, double BrewL, double DepthM, string Diffuser,
    string DiffuserKind, string Water, double AirLpm, double OpenLpm, string AirShown, DateTimeOffset? AirSince, string OpenShown);

/// <summary>A batch whole.</summary>
public sealed record BatchView
{
    public required int Id { get; init; }

    public required string Name { get; init; }

    public required BatchState State { get; init; }

    public required Making Making { get; init; }

    public required Purpose Purpose { get; init; }

    public required bool IsDemo { get; init; }

    public required DateTimeOffset PlannedStart { get; init; }

    public required DateTimeOffset? StartedAt { get; init; }

    public required DateTimeOffset? AirOffAt { get; init; }

    public required DateTimeOffset UseAt { get; init; }

    public required string BrewShown { get; init; }

    public required string? StripWaiver { get; init; }

    public required string? SourceLot { get; init; }

    public required string? RecipeName { get; init; }

    public required VesselView Vessel { get; init; }

    public required IReadOnlyList<BedLine> Beds { get; init; }

    public required AmountView? Source { get; init; }

    public required IReadOnlyList<AmountView> MoreSources { get; init; }

    public required IReadOnlyList<AmountView> Foods { get; init; }

    public required IReadOnlyList<StepView> Steps { get; init; }

    public required IReadOnlyList<LogView> Log { get; init; }

    public required Worked<WatchAnswer>? Watch { get; init; }

    public required RaceView? Race { get; init; }

    /// <summary>What came of it; null while it is not over.</summary>
    public Verdict? Over { get; init; }

    /// <summary>Begun for no hour: each reading moves its hour of use to the first window that it can meet.</summary>
    public bool RunsForward { get; init; }

    /// <summary>The round that it belongs to; null for a brew by itself.</summary>
    public int? RoundId { get; init; }

    /// <summary>What stands for a logger's many figures; null where all are in the log.</summary>
    public string? LogSays { get; init; }
}

/// <summary>A bed in a batch.</summary>
public sealed record BedLine(int Id, string Name, double AreaM2, string AreaShown, string Crop);

/// <summary>Puts a batch in the form that screens read.</summary>
public static class BatchViews
{
    /// <summary>The air that goes into it, L/min at its depth, and since when where it was changed on the way.</summary>
    public static (double Lpm, DateTimeOffset? Since) Air(Batch b)
    {
        var changed = LiveBrew.Standing(b).LastOrDefault(l => l.Kind == LogKind.AirTo);
        return (changed?.Number ?? b.Brew.Outlets?.Sum(o => o.AirLpm ?? 0) ?? b.Brew.AirLpm ?? 0, changed?.At);
    }

    /// <summary>A batch whole.</summary>
    public static BatchView Of(Batch b, Worked<WatchAnswer>? watch, RaceAnswer? race, UnitSystem units)
    {
        var brew = b.Brew;
        var done = LiveBrew.Standing(b).Where(l => l.Kind == LogKind.Step).GroupBy(l => l.Text!).ToDictionary(g => g.Key, g => g.Last());
        var corrected = b.Log.RightedBy();
        var sources = (brew.Sources ?? []).Select(s =>
            PlanAmounts.View(new PlanAmount(s.Kind!, Ingredients.Source(s.Kind)!.Name, s.Litres ?? 0, true, 0), units)).ToList();
        var (air, airSince) = Air(b);
        var vessel = new VesselView(
            b.Vessel.Name, b.Vessel.Shape, b.Vessel.TotalL, b.Vessel.WorkingL, b.BrewL, brew.DepthM ?? b.Vessel.DepthM, b.Diffuser.Name,
            b.Diffuser.Kind, b.Water.Name,
            air, b.Pump.OpenLpm, Units.Show(air, Dimension.Flow, units), airSince, Units.Show(b.Pump.OpenLpm, Dimension.Flow, units));
        return new BatchView {
            Over = watch is null ? null : BrewOver.Says(b.State, LiveBrew.Standing(b).LastOrDefault(l => l.Kind == LogKind.Heaped)?.Text,
                watch.Value.Gate),
            Id = b.Id,
            Name = b.Name,
            State = b.State,
            Making = b.Making,
            Purpose = b.Purpose,
            IsDemo = b.IsDemo,
            PlannedStart = b.PlannedStart,
            StartedAt = b.StartedAt,
            AirOffAt = b.AirOffAt,
            UseAt = b.UseAt,
            BrewShown = Units.Show(b.BrewL, Dimension.Volume, units),
            StripWaiver = b.StripWaiver,
            SourceLot = Lots(b),
            RecipeName = b.RecipeVersion is { } v
                ? $"{v.File.Name}, version {v.Number}" : null,
            Vessel = vessel,
            Beds = [.. b.Beds.Select(x => new BedLine(x.BedId, x.Bed.Name, x.Bed.AreaM2, Units.Show(x.Bed.AreaM2, Dimension.Area, units),
                x.Bed.Crop))],
            Source = sources.FirstOrDefault(),
            MoreSources = [.. sources.Skip(1)],
            Foods = [.. (brew.Foods ?? []).Select(f =>
                PlanAmounts.View(new PlanAmount(f.Kind!, Ingredients.Food(f.Kind)!.Name, (f.Ml ?? 0) / 1000, true, 0,
                    f.AtH ?? 0), units))],
            Steps = [.. b.Steps.Select(s => Step(s, done.GetValueOrDefault(s.Id), race, units))],
            Log = [.. b.Log.OrderByDescending(l => l.At).ThenByDescending(l => l.Id).Select(l => Line(l, corrected, units))],
            Watch = watch,
            RunsForward = b.RunsForward,
            RoundId = b.RoundId,
            Race = race is null ? null : RaceViews.Of(race, units),
        };
    }

    /// <summary>An entry as pages show it.</summary>
    public static LogView Line(LogEntry l, IReadOnlyDictionary<int, int> corrected, UnitSystem units) =>
        new(l.Id, l.Kind, l.At, l.Number, l.Text, Shown(l, units), l.Source, l.CorrectsId, corrected.TryGetValue(l.Id, out var by)
            ? by : null, l.PhotoId, AsTyped.Beside(l.Typed, Shown(l, units)), Again(l, units));

    /// <summary>What stands in the field when an entry is put right: the words typed where they can be read alone, else the figure with its
    /// unit.</summary>
    private static string Again(LogEntry l, UnitSystem units) => l.Number is null ? l.Text ?? ""
        : l.Typed is { } typed && BrewSaid.Read(l.Kind, typed, units) is { Refused: null } ? typed : Shown(l, units);

    private static string? Lots(Batch b) =>
        new[] { b.SourceInput, b.SecondSourceInput }.OfType<Input>().Select(i => i.Lot is null ? i.Name : $"{i.Name}, {i.Lot}")
            .ToList() is { Count: > 0 } lots ? string.Join("; ", lots) : null;

    /// <summary>Written down within these minutes of being done, one time says both.</summary>
    private const double AtOnceMinutes = 3;

    // What the plan said of the race is said anew while it is ahead: one race, and not the one of the day it was planned.
    private static StepView Step(PlanStep s, LogEntry? done, RaceAnswer? race, UnitSystem units) =>
        new(s.Id, s.Name, s.Id == "use" && done is null && race is not null ? $"{race.Verdict.Sentence} {race.Verdict.Why}"
            : InUnits.Say(s.Detail, units), s.At, s.Minutes, done?.At, done is not null && done.RecordedAt
                - done.At > TimeSpan.FromMinutes(AtOnceMinutes) ? done.RecordedAt : null);

    /// <summary>An entry's figure with its unit, or its words.</summary>
    private static string Shown(LogEntry l, UnitSystem units) => (l.Kind, l.Number) switch {
        (LogKind.Warmth, { } c) => Units.Show(c, Dimension.Temperature, units),
        (LogKind.Oxygen or LogKind.Strip, { } mg) => Units.Show(mg, Dimension.Concentration, units),
        (LogKind.Fed, { } ml) => $"{Units.Show(ml / 1000, Dimension.Volume, units)} {Ingredients.Food(l.Text)?.Name}",
        (LogKind.AirTo, { } lpm) => Units.Show(lpm, Dimension.Flow, units),
        (LogKind.Pathogen, _) => l.Text == "found" ? "gut germs found" : "no gut germs found",
        (LogKind.Smell, _) => FitToUse.Word(Enum.Parse<Smell>(l.Text!, true)),
        _ => l.Text ?? "",
    };

    /// <summary>Batches as lists show them: the one place where a line is made of what is kept.</summary>
    /// <param name="db">The holding.</param>
    /// <param name="batches">Which of them, in their order.</param>
    /// <param name="units">In whose units.</param>
    public static async Task<List<BatchLine>> Lines(HoldingDb db, IQueryable<Batch> batches, UnitSystem units)
    {
        var lines = await batches.Select(Plain).ToListAsync();
        var ids = lines.Select(l => l.Id).ToList();
        var log = (await db.Log.ThatStand().Where(l => ids.Contains(l.BatchId)
            && (l.Kind == LogKind.Oxygen || l.Kind == LogKind.Heaped))
            .GroupBy(l => l.BatchId).Select(g => new {
                g.Key, Lowest = g.Min(l => l.Kind == LogKind.Oxygen ? l.Number : null),
                Heaped = g.Max(l => l.Kind == LogKind.Heaped ? l.Text : null)
            }).ToListAsync()).ToDictionary(x => x.Key);
        return [.. lines.Select(l => log.GetValueOrDefault(l.Id) is var seen
            ? Said(l, units) with { LowestOxygen = seen?.Lowest, Outcome = Outcome(l.State, seen?.Lowest, seen?.Heaped) } : l)];
    }

    /// <summary>A batch that was read in whole, with what its watch says of it.</summary>
    public static BatchLine Line(Batch b, UnitSystem units, string? says) =>
        Said(Loaded(b), units) with { Outcome = says ?? Outcome(b.State, null, null) };

    private static BatchLine Said(BatchLine l, UnitSystem units) => l with { BrewShown = Units.Show(l.BrewL, Dimension.Volume, units) };

    private static readonly Expression<Func<Batch, BatchLine>> Plain = b => new BatchLine {
        Id = b.Id, Name = b.Name, State = b.State, Making = b.Making, Purpose = b.Purpose, Vessel = b.Vessel.Name,
        VesselShape = b.Vessel.Shape, BrewL = b.BrewL, BrewShown = "", PlannedStart = b.PlannedStart, StartedAt = b.StartedAt,
        AirOffAt = b.AirOffAt, UseAt = b.UseAt, IsDemo = b.IsDemo, Beds = b.Beds.Select(x => x.Bed.Name).ToList(),
        LowestOxygen = null, Outcome = "",
    };

    private static readonly Func<Batch, BatchLine> Loaded = Plain.Compile();

    /// <summary>How a batch ended, or stands, in a few words.</summary>
    public static string Outcome(BatchState state, double? lowest, string? heapedWhy) => state switch {
        BatchState.Planned => "planned",
        BatchState.Brewing => "brewing",
        BatchState.Off => "air off, waiting to go out",
        BatchState.Heaped => "heaped: " + (heapedWhy ?? "no reason given"),
        _ => lowest is null ? "put out, oxygen unseen" : "put out",
    };
}
