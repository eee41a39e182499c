using MudPie.Core.PuttingOut;
using MudPie.Core.Solids;
using MudPie.Records.Brewing;
using MudPie.Records.Ground;
using MudPie.Records.Shelf;

namespace MudPie.Records.PuttingOut;

/// <summary>A job that was done: a brew, a product or both, put on the ground. Never changed: a correction is a new one that points at the
/// old.</summary>
public sealed class Application : IPutRight
{
    public int Id { get; set; }

    /// <summary>The brew in it; null for a job without.</summary>
    public int? BatchId { get; set; }

    public Batch? Batch { get; set; }

    public DateTimeOffset At { get; set; }

    public DateTimeOffset RecordedAt { get; set; }

    public Purpose Purpose { get; set; }

    /// <summary>As typed: "1:5"; empty without brew.</summary>
    public required string Dilution { get; set; }

    public double OneIn { get; set; }

    public double TeaL { get; set; }

    public double WaterL { get; set; }

    /// <summary>Of what was mixed, not put on any bed, L.</summary>
    public double SpareL { get; set; }

    /// <summary>By what: "knapsack", "watering can" …</summary>
    public required string Tool { get; set; }

    public int? SprayerId { get; set; }

    public Sprayer? Sprayer { get; set; }

    public double TankL { get; set; }

    /// <summary>What the gate said: "fit", "not fit", "unseen"; "none" without brew.</summary>
    public required string Fitness { get; set; }

    /// <summary>Why it was put out all the same, in the grower's words; null where the gate let it pass.</summary>
    public string? OverrideWhy { get; set; }

    /// <summary>Why it was mixed against a rule, in the grower's words.</summary>
    public string? MixWhy { get; set; }

    /// <summary>Ids of the cautions that were shown and ticked.</summary>
    public required string CautionsSeen { get; set; }

    /// <summary>By role: "brewer", "field hand".</summary>
    public string? Who { get; set; }

    /// <summary>What it was for, in the grower's words.</summary>
    public string? Why { get; set; }

    /// <summary>What the weather was, in words.</summary>
    public string? Weather { get; set; }

    /// <summary>Food that waits for it: "mulch", "residue", "feed" or "none".</summary>
    public string? FoodWaiting { get; set; }

    /// <summary>The job as it was asked for, JSON, so that it can be put right.</summary>
    public TankRequest? Asked { get; set; }

    /// <summary>True for compost, char, mulch and other solids: its litres are loose ones, and no water.</summary>
    public bool Solid { get; set; }

    /// <summary>A solid as it was asked for; null for a tank, and for one that came in by a file.</summary>
    public SpreadAsked? Spread { get; set; }

    /// <summary>The stirring of a preparation that was put out; null for others.</summary>
    public int? WorkEntryId { get; set; }

    /// <summary>The job that this one puts right.</summary>
    public int? CorrectsId { get; set; }

    /// <summary>What was wrong with the old one.</summary>
    public string? CorrectionWhy { get; set; }

    /// <summary>It never happened: this entry only strikes the one that it corrects.</summary>
    public bool Strikes { get; set; }

    public List<ApplicationBed> Beds { get; } = [];

    public List<ApplicationItem> Items { get; } = [];
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

/// <summary>Something in the tank from the shelf, lot by lot.</summary>
public sealed class ApplicationItem
{
    public int Id { get; set; }

    public int ApplicationId { get; set; }

    public Application Application { get; set; } = null!;

    public int? InputId { get; set; }

    public Input? Input { get; set; }

    public int? LotId { get; set; }

    /// <summary>As it was called.</summary>
    public required string Name { get; set; }

    /// <summary>The lot's mark; null where there was none.</summary>
    public string? Lot { get; set; }

    /// <summary>A kind of the shelf, or "brew".</summary>
    public required string Kind { get; set; }

    /// <summary>In <see cref="Unit"/>.</summary>
    public double Amount { get; set; }

    /// <summary>"L" or "kg".</summary>
    public required string Unit { get; set; }
}
