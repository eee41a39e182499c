using MudPie.Core.Brewing;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Server.Brewing;

namespace MudPie.Server.PuttingOut;

/// <summary>An amount ready to read out.</summary>
public sealed record TankAmountView(string Name, string Shown, string? InTools);

/// <summary>A bed's share ready to read out.</summary>
public sealed record ShareView(int BedId, string Name, string AreaShown, string MixShown, string BrewShown, string WaterShown,
    string RateShown, string DeepShown, string? StepSays, IReadOnlyList<TankAmountView> Products);

/// <summary>A filling ready to read out.</summary>
public sealed record LoadView(int Number, string TotalShown, string BrewShown, string WaterShown, string WaterInTools,
    IReadOnlyList<TankAmountView> Products, IReadOnlyList<string> On);

/// <summary>Which lots it comes from.</summary>
public sealed record DrawView(int InputId, string Name, IReadOnlyList<TankAmountView> Lots, string? Short, bool Counted);

/// <summary>Money, ready to read out.</summary>
public sealed record CostView(string Says, string Batch, string Per100M2, string PerHa, IReadOnlyList<string> Unpriced,
    IReadOnlyList<WorkingLine> Working);

/// <summary>The whole job, worked out.</summary>
public sealed record TankView
{
    public required TankJobAnswer Job { get; init; }

    /// <summary>The one verdict on putting it out: the gravest of what the sum, the live brew, the race, the tank's pairs and the hour
    /// say.</summary>
    public required Verdict Verdict { get; init; }

    /// <summary>What the gate says of the brew; where the live brew says no, that. Null without a brew.</summary>
    public required Verdict? GateSays { get; init; }

    public required string MixShown { get; init; }

    public required string BrewShown { get; init; }

    public required string WaterShown { get; init; }

    public required string SpareShown { get; init; }

    public required IReadOnlyList<ShareView> Shares { get; init; }

    public required IReadOnlyList<LoadView> Loads { get; init; }

    public required GateAnswer? Gate { get; init; }

    public required MixAnswer? Mixing { get; init; }

    public required SprayerRuling? Sprayer { get; init; }

    public required Verdict Place { get; init; }

    public required IReadOnlyList<DrawView> Draws { get; init; }

    public required CostView Cost { get; init; }

    public required HourScore? Hour { get; init; }

    public required IReadOnlyList<string> Waits { get; init; }

    public required string HowToCover { get; init; }

    public required RaceView? Race { get; init; }

    public required Verdict? Watch { get; init; }

    public required OxygenNow? Now { get; init; }

    public required IReadOnlyList<string> LabelSays { get; init; }
}

/// <summary>A job of the past.</summary>
public sealed record ApplicationView(
    int Id, int? BatchId, string What, DateTimeOffset At, Purpose Purpose, string Dilution, string TeaShown, string TotalShown, string Tool,
    string Fitness, string? OverrideWhy, IReadOnlyList<string> Beds, bool ToWash, int? SprayerId);

/// <summary>What could go out, and what did.</summary>
public sealed record PutOutView(IReadOnlyList<BatchLine> Ready, IReadOnlyList<ApplicationView> Past);
