using MudPie.Records.Ground;

namespace MudPie.Records.Judging;

/// <summary>Square-metre patches on one bed: candidates beside water.</summary>
public sealed class PatchTest
{
    public int Id { get; set; }

    public int BedId { get; set; }

    public Bed Bed { get; set; } = null!;

    public DateTimeOffset At { get; set; }

    public double AreaM2 { get; set; }

    public double WaterMlPerM2 { get; set; }

    /// <summary>Seed of the order.</summary>
    public int Seed { get; set; }

    public bool MeterCorrects { get; set; }

    /// <summary>When the products went on: from here 40 to 60 minutes.</summary>
    public DateTimeOffset? PutOnAt { get; set; }

    public bool IsDemo { get; set; }

    public List<Patch> Patches { get; } = [];
}

/// <summary>One patch.</summary>
public sealed class Patch
{
    public int Id { get; set; }

    public int PatchTestId { get; set; }

    /// <summary>As they lie, from 1: drawn by lot.</summary>
    public int Order { get; set; }

    public required string Name { get; set; }

    public required PatchRole Role { get; set; }

    public int? InputId { get; set; }

    /// <summary>mL or g per hectare; null for water.</summary>
    public double? RatePerHa { get; set; }

    /// <summary>"mL" or "g".</summary>
    public string? RateUnit { get; set; }

    /// <summary>The carrier that it is mixed into, which lies alone on a patch of its own; null for a candidate in water.</summary>
    public string? CarrierName { get; set; }

    public List<PatchLeaves> Leaves { get; } = [];
}

/// <summary>A burst of leaves on a patch. Never changed: a later one for the same phase counts instead.</summary>
public sealed class PatchLeaves
{
    public int Id { get; set; }

    public int PatchId { get; set; }

    /// <summary>"before" or "after".</summary>
    public required PatchPhase Phase { get; set; }

    public DateTimeOffset At { get; set; }

    public double? TemperatureC { get; set; }

    /// <summary>Each leaf.</summary>
    public required IReadOnlyList<LeafRead> Read { get; set; }
}

/// <summary>One leaf.</summary>
/// <param name="AsRead">°Bx as read.</param>
/// <param name="At20">°Bx at 20 °C.</param>
public sealed record LeafRead(double AsRead, double At20);
