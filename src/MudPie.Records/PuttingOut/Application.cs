using MudPie.Records.Brewing;
using MudPie.Records.Ground;

namespace MudPie.Records.PuttingOut;

/// <summary>A brew put on the ground. Never changed.</summary>
public sealed class Application
{
    public int Id { get; set; }

    public int BatchId { get; set; }

    public Batch Batch { get; set; } = null!;

    public DateTimeOffset At { get; set; }

    public DateTimeOffset RecordedAt { get; set; }

    /// <summary>As typed: "1:5".</summary>
    public required string Dilution { get; set; }

    public double OneIn { get; set; }

    public double TeaL { get; set; }

    public double WaterL { get; set; }

    /// <summary>By what: "knapsack", "watering can" …</summary>
    public required string Tool { get; set; }

    public double TankL { get; set; }

    /// <summary>What the gate said: "fit", "not fit", "unseen".</summary>
    public required string Fitness { get; set; }

    /// <summary>Why it was put out all the same, in the grower's words; null where the gate let it pass.</summary>
    public string? OverrideWhy { get; set; }

    /// <summary>Ids of the cautions that were shown and ticked.</summary>
    public required string CautionsSeen { get; set; }

    public List<ApplicationBed> Beds { get; } = [];
}

/// <summary>What one bed got.</summary>
public sealed class ApplicationBed
{
    public int ApplicationId { get; set; }

    public int BedId { get; set; }

    public Bed Bed { get; set; } = null!;

    public double TeaL { get; set; }

    public double TotalL { get; set; }
}
