using MudPie.Records.Ground;

namespace MudPie.Records.Judging;

/// <summary>One set of brix readings on one bed. Never changed.</summary>
public sealed class BrixVisit
{
    public int Id { get; set; }

    public int BedId { get; set; }

    public Bed Bed { get; set; } = null!;

    /// <summary>The application that it is read around; null for a reading of its own.</summary>
    public int? ApplicationId { get; set; }

    public DateTimeOffset At { get; set; }

    public DateTimeOffset RecordedAt { get; set; }

    /// <summary>"top", "middle" or "bottom".</summary>
    public required string LeafPosition { get; set; }

    /// <summary>"clear", "mixed" or "dull" over the last three days.</summary>
    public required string Sky { get; set; }

    /// <summary>The meter corrects for temperature itself.</summary>
    public bool MeterCorrects { get; set; }

    /// <summary>Of the meter, °C.</summary>
    public double? TemperatureC { get; set; }

    public bool IsDemo { get; set; }

    public List<BrixReading> Readings { get; } = [];
}

/// <summary>One squeeze.</summary>
public sealed class BrixReading
{
    public int Id { get; set; }

    public int BrixVisitId { get; set; }

    /// <summary>°Bx as read.</summary>
    public double AsRead { get; set; }

    /// <summary>°Bx at 20 °C.</summary>
    public double At20 { get; set; }
}
