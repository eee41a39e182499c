using MudPie.Core.PuttingOut;

namespace MudPie.Records.PuttingOut;

/// <summary>What a job is put out with.</summary>
public sealed class Sprayer : IVersioned
{
    public int Id { get; set; }

    public required string Name { get; set; }

    /// <summary>"knapsack", "can", "boom", "injector" or "other".</summary>
    public required string Kind { get; set; }

    /// <summary>What it holds, L.</summary>
    public double TankL { get; set; }

    /// <summary>"new", "biology", "fertiliser", "poison" or "unknown".</summary>
    public required string Past { get; set; }

    /// <summary>Which local rule or lab clears it, in the grower's words.</summary>
    public string? ClearedWhy { get; set; }

    public DateTimeOffset? ClearedAt { get; set; }

    /// <summary>Finest filter, µm.</summary>
    public double? MeshUm { get; set; }

    public double? PressureBar { get; set; }

    /// <summary>1 : this, for an injector.</summary>
    public double? Ratio { get; set; }

    public Guid Version { get; set; }

    public List<SprayerCalibration> Calibrations { get; } = [];

    public List<SprayerWash> Washes { get; } = [];
}

/// <summary>A measuring of what a sprayer puts on. Never changed.</summary>
public sealed class SprayerCalibration
{
    public int Id { get; set; }

    public int SprayerId { get; set; }

    public DateTimeOffset At { get; set; }

    public DateTimeOffset RecordedAt { get; set; }

    /// <summary>What was measured: a SprayerQuestion as JSON.</summary>
    public required SprayerQuestion Measured { get; set; }

    public double LPerHa { get; set; }
}

/// <summary>A washing up. Never changed.</summary>
public sealed class SprayerWash
{
    public int Id { get; set; }

    public int SprayerId { get; set; }

    /// <summary>The job that it was after.</summary>
    public int? ApplicationId { get; set; }

    public DateTimeOffset At { get; set; }

    public DateTimeOffset RecordedAt { get; set; }

    public string? Note { get; set; }
}

/// <summary>A mixing rule of the grower's own, from a label.</summary>
public sealed class OwnMixRule
{
    public int Id { get; set; }

    public required string A { get; set; }

    public required string B { get; set; }

    public bool Together { get; set; }

    public double WaitDays { get; set; }

    public required string Why { get; set; }

    public DateTimeOffset At { get; set; }

    /// <summary>Taken back; kept readable.</summary>
    public DateTimeOffset? EndedAt { get; set; }
}
