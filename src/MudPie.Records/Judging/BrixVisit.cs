using MudPie.Records.Ground;

namespace MudPie.Records.Judging;

/// <summary>One set of brix readings on one bed. Never changed.</summary>
public sealed class BrixVisit : IPutRight
{
    public int Id { get; set; }

    public int BedId { get; set; }

    public Bed Bed { get; set; } = null!;

    /// <summary>The application that it is read around; null for a reading of its own.</summary>
    public int? ApplicationId { get; set; }

    public DateTimeOffset At { get; set; }

    public DateTimeOffset RecordedAt { get; set; }

    /// <summary>Which leaf.</summary>
    public required LeafPosition LeafPosition { get; set; }

    /// <summary>Over the last three days.</summary>
    public required Sky Sky { get; set; }

    /// <summary>The meter corrects for temperature itself.</summary>
    public bool MeterCorrects { get; set; }

    /// <summary>Of the meter, °C.</summary>
    public double? TemperatureC { get; set; }

    public int? MeterId { get; set; }

    /// <summary>What stood on the bed then; null where it was not kept.</summary>
    public string? Crop { get; set; }

    /// <summary>Stage of the crop.</summary>
    public CropStage? Stage { get; set; }

    /// <summary>What it suffers from: drought, heat, frost, cutting; null where nothing is seen.</summary>
    public string? Stress { get; set; }

    /// <summary>The weed that was read instead of the crop.</summary>
    public string? Weed { get; set; }

    /// <summary>Leaves that gave no juice: a reading too.</summary>
    public int Dry { get; set; }

    /// <summary>What it is one half of.</summary>
    public LeafPair? PairKind { get; set; }

    /// <summary>The other half.</summary>
    public int? PairWithId { get; set; }

    /// <summary>Both halves were read on the same plants, in the same order.</summary>
    public bool SamePlants { get; set; }

    /// <summary>The visit that this one puts right.</summary>
    public int? CorrectsId { get; set; }

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

/// <summary>A refractometer.</summary>
public sealed class BrixMeter
{
    public int Id { get; set; }

    public required string Name { get; set; }

    /// <summary>"optical" or "digital".</summary>
    public required string Kind { get; set; }

    /// <summary>It corrects for temperature itself.</summary>
    public bool Corrects { get; set; }

    public List<MeterZero> Zeroes { get; } = [];
}

/// <summary>A meter zeroed with clean water. Never changed.</summary>
public sealed class MeterZero
{
    public int Id { get; set; }

    public int BrixMeterId { get; set; }

    public DateTimeOffset At { get; set; }

    /// <summary>What it showed on clean water before it was set, °Bx.</summary>
    public double Showed { get; set; }

    public string? Note { get; set; }
}

/// <summary>Pests counted on a bed. Never changed.</summary>
public sealed class PestCount
{
    public int Id { get; set; }

    public int BedId { get; set; }

    public DateTimeOffset At { get; set; }

    public DateTimeOffset RecordedAt { get; set; }

    public required string Pest { get; set; }

    public double Count { get; set; }

    /// <summary>"plant", "m²", "sq ft", "m of row" or "ft of row".</summary>
    public required string Per { get; set; }

    /// <summary>From which it is worth acting, by local advice or from money.</summary>
    public double Threshold { get; set; }

    /// <summary>Pests in all; null where only the mean was given.</summary>
    public double? Counted { get; set; }

    /// <summary>Plants, m² or metres looked at; null likewise.</summary>
    public double? Units { get; set; }

    /// <summary>A natural enemy that was counted too.</summary>
    public string? Enemy { get; set; }

    /// <summary>Of it, on each.</summary>
    public double? EnemyEach { get; set; }

    /// <summary>Cost of the control on the holding's large area, where the threshold was worked out from money.</summary>
    public double? ControlCost { get; set; }

    /// <summary>Price of the crop by the holding's weight.</summary>
    public double? CropPrice { get; set; }

    /// <summary>Weight lost on that area by one pest on each.</summary>
    public double? LossByOne { get; set; }

    /// <summary>Share that the control kills, 0 to 1.</summary>
    public double? KillShare { get; set; }
}
