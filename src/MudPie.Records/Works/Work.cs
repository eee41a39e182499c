using System.Globalization;
using MudPie.Core.Sheets;
using MudPie.Core.Works;

namespace MudPie.Records.Works;

/// <summary>A work in the yard that keeps a log: a worm bin, a burn.</summary>
public sealed class Work : IVersioned
{
    public int Id { get; set; }

    /// <inheritdoc/>
    public Guid Version { get; set; }

    public WorkKind Kind { get; set; }

    public required string Name { get; set; }

    /// <summary>A bin as it was set up; null for other kinds.</summary>
    public WormsAsked? Worms { get; set; }

    /// <summary>A burn as it was planned; null for other kinds.</summary>
    public BurnAsked? Burn { get; set; }

    /// <summary>A lab's sheet and what is asked of it; null for other kinds.</summary>
    public SheetAsked? Sheet { get; set; }

    /// <summary>A by-product of the kitchen, the brewhouse or the mill, as it was set up; null for other kinds.</summary>
    public ByproductAsked? Byproduct { get; set; }

    /// <summary>A biodynamic preparation as it was set up; null for other kinds.</summary>
    public PrepAsked? Preparation { get; set; }

    /// <summary>Where on the plan it lies: of the box about its bed, so much of the width from the west. Null where it is not
    /// marked.</summary>
    public double? MarkEast { get; set; }

    /// <summary>The same of its height, from the south.</summary>
    public double? MarkNorth { get; set; }

    /// <summary>When it was begun.</summary>
    public DateTimeOffset BegunAt { get; set; }

    /// <summary>The bed on which it goes on; null for the yard.</summary>
    public int? BedId { get; set; }

    /// <summary>The lot that a sheet is of; null for other kinds, and for the ground.</summary>
    public int? LotId { get; set; }

    public List<WorkEntry> Log { get; } = [];
}

/// <summary>Something done at a work, or seen of it. Never changed: one that was wrong is struck by a later one that points at
/// it.</summary>
public sealed class WorkEntry : IPutRight
{
    public int Id { get; set; }

    public int WorkId { get; set; }

    public Work Work { get; set; } = null!;

    public WorkStep Step { get; set; }

    public DateTimeOffset At { get; set; }

    public DateTimeOffset RecordedAt { get; set; }

    public string? Tray { get; set; }

    public string? What { get; set; }

    public double? Grams { get; set; }

    public double? Litres { get; set; }

    /// <summary>Sieved back.</summary>
    public double? BackL { get; set; }

    /// <summary>°C, or kg a litre where char is measured.</summary>
    public double? Figure { get; set; }

    /// <summary>Of the last food that still lay, 0 to 1.</summary>
    public double? Share { get; set; }

    public Damp? Damp { get; set; }

    public Heat? Heat { get; set; }

    /// <summary>How the machine was set.</summary>
    public string? Setting { get; set; }

    /// <summary>Of a run, hours.</summary>
    public double? Hours { get; set; }

    /// <summary>Starter that went in, g.</summary>
    public double? StarterG { get; set; }

    /// <summary>Runs that were pooled, by their numbers.</summary>
    public IReadOnlyList<string>? Runs { get; set; }

    /// <summary>Horns or pots that went in, or came out whole.</summary>
    public int? Count { get; set; }

    /// <summary>How it looked on lifting.</summary>
    public string? Colour { get; set; }

    /// <summary>How it smelt.</summary>
    public string? Smell { get; set; }

    /// <summary>How it felt.</summary>
    public string? Texture { get; set; }

    /// <summary>The amount as the grower typed it.</summary>
    public string? Typed { get; set; }

    /// <summary>The grower's own words.</summary>
    public string? Note { get; set; }

    /// <summary>The entry that this one strikes.</summary>
    public int? CorrectsId { get; set; }

    /// <summary>An entry of what a deed of the core says.</summary>
    public static WorkEntry Of(int workId, WorkStepDone done, DateTimeOffset now)
    {
        var p = done.Point;
        return new WorkEntry {
            WorkId = workId, Step = p.Step, At = p.At, RecordedAt = now, Tray = p.Tray, What = p.What, Grams = p.Grams, Litres = p.Litres,
            BackL = p.BackL, Figure = p.Figure, Share = p.Share, Damp = p.Damp, Heat = p.Heat, Setting = p.Setting, Hours = p.Hours,
            StarterG = p.StarterG, Runs = p.Runs is { } runs ? [.. runs.Select(r => r.ToString(CultureInfo.InvariantCulture))] : null,
            Typed = done.Typed, Note = done.Note, Count = p.Count, Colour = p.Colour, Smell = p.Smell, Texture = p.Texture,
        };
    }

    /// <summary>The same, for the core.</summary>
    public WorkPoint Point() => new(Step, At) {
        Tray = Tray, What = What, Grams = Grams, Litres = Litres, BackL = BackL, Figure = Figure, Share = Share, Damp = Damp, Heat = Heat,
        Id = Id, Setting = Setting, Hours = Hours, StarterG = StarterG, Count = Count, Colour = Colour, Smell = Smell, Texture = Texture,
        Runs = Runs is { } runs ? [.. runs.Select(r => int.TryParse(r, CultureInfo.InvariantCulture, out var n) ? n : 0)] : null,
    };
}
