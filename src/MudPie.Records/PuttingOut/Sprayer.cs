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
    public required string MeasuredJson { get; set; }

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

/// <summary>The weather of an hour, from a service or a file.</summary>
public sealed class WeatherHourKept
{
    /// <summary>Start of the hour.</summary>
    public DateTimeOffset At { get; set; }

    public double TemperatureC { get; set; }

    public double WindMps { get; set; }

    public double RainMm { get; set; }

    public double CloudShare { get; set; }

    public double HumidityShare { get; set; }

    /// <summary>Strongest gust; null where it is not known.</summary>
    public double? GustMps { get; set; }

    /// <summary>Leaves are wet, by a sensor; null where it is not known.</summary>
    public bool? LeafWet { get; set; }

    /// <summary>"simulated" or "file".</summary>
    public required string Source { get; set; }
}

/// <summary>A season of givings on one bed. A plan: it may be changed.</summary>
public sealed class Programme
{
    public int Id { get; set; }

    public int BedId { get; set; }

    public Ground.Bed Bed { get; set; } = null!;

    /// <summary>Sowing or transplanting.</summary>
    public DateOnly Start { get; set; }

    public DateOnly Harvest { get; set; }

    /// <summary>The crop's stages as the grower dated them: a list of StageFrom as JSON; null for the table's.</summary>
    public string? StagesJson { get; set; }

    public List<Giving> Givings { get; } = [];
}

/// <summary>One giving of a programme.</summary>
public sealed class Giving : IVersioned
{
    public int Id { get; set; }

    public int ProgrammeId { get; set; }

    public Programme Programme { get; set; } = null!;

    /// <summary>A kind of biostimulant.</summary>
    public required string Kind { get; set; }

    /// <summary>Which input of the shelf; null for the first of its kind.</summary>
    public int? InputId { get; set; }

    public DateOnly On { get; set; }

    public required Purpose Purpose { get; set; }

    public double? OneIn { get; set; }

    /// <summary>The job that did it.</summary>
    public int? ApplicationId { get; set; }

    public Guid Version { get; set; }
}
