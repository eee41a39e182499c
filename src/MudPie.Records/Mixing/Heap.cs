using MudPie.Core.Mixing;

namespace MudPie.Records.Mixing;

/// <summary>A heap of compost.</summary>
public sealed class Heap : IVersioned
{
    public int Id { get; set; }

    /// <inheritdoc/>
    public Guid Version { get; set; }

    public required string Name { get; set; }

    /// <summary>As it was asked for.</summary>
    public required HeapAsked Asked { get; set; }

    /// <summary>When it was built.</summary>
    public DateTimeOffset BuiltAt { get; set; }

    public List<HeapEntry> Log { get; } = [];
}

/// <summary>Something done at a heap, or measured of it. Never changed: one that was wrong is struck by a later one that points at
/// it.</summary>
public sealed class HeapEntry : IPutRight
{
    public int Id { get; set; }

    public int HeapId { get; set; }

    public Heap Heap { get; set; } = null!;

    public HeapStep Step { get; set; }

    public DateTimeOffset At { get; set; }

    public DateTimeOffset RecordedAt { get; set; }

    /// <summary>Of its core, °C.</summary>
    public double? Celsius { get; set; }

    /// <summary>Of compost sieved out, or of water.</summary>
    public double? Litres { get; set; }

    /// <summary>The figure as the grower typed it.</summary>
    public string? Typed { get; set; }

    /// <summary>The grower's own words.</summary>
    public string? Note { get; set; }

    /// <summary>The step at a work in the yard that laid it on: a can of char; null for none.</summary>
    public int? WorkEntryId { get; set; }

    /// <summary>The entry that this one strikes.</summary>
    public int? CorrectsId { get; set; }
}

/// <summary>A material of the grower's own table: a new one, or the house's changed. Never changed: the newest counts.</summary>
public sealed class OwnMaterial
{
    public int Id { get; set; }

    /// <summary>That of the house's table which it changes; null for a new one.</summary>
    public string? MaterialId { get; set; }

    public required string Name { get; set; }

    /// <summary>Share of dry matter.</summary>
    public double Carbon { get; set; }

    /// <summary>Share of dry matter.</summary>
    public double Nitrogen { get; set; }

    /// <summary>Share of the whole.</summary>
    public double Moisture { get; set; }

    /// <summary>As it lies.</summary>
    public double KgPerL { get; set; }

    public DateTimeOffset At { get; set; }
}
