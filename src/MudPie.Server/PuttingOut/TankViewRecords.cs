using MudPie.Core.Brewing;
using MudPie.Core.PuttingOut;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;
using MudPie.Server.Brewing;

namespace MudPie.Server.PuttingOut;

/// <summary>An amount ready to read out.</summary>
public sealed record AmountView(string Name, string Shown, string? InTools);

/// <summary>A bed's share ready to read out.</summary>
public sealed record ShareView(int BedId, string Name, string AreaShown, string MixShown, string BrewShown, string WaterShown,
    string RateShown, string DeepShown, string? StepSays, IReadOnlyList<AmountView> Products);

/// <summary>A filling ready to read out.</summary>
public sealed record LoadView(int Number, string TotalShown, string BrewShown, string WaterShown, string WaterInTools,
    IReadOnlyList<AmountView> Products, IReadOnlyList<string> On);

/// <summary>Which lots it comes from.</summary>
public sealed record DrawView(int InputId, string Name, IReadOnlyList<AmountView> Lots, string? Short, bool Counted);

/// <summary>Money, ready to read out.</summary>
public sealed record CostView(string Says, string Batch, string Per100M2, string PerHa, IReadOnlyList<string> Unpriced,
    IReadOnlyList<WorkingLine> Working);

/// <summary>The whole job, worked out.</summary>
/// <param name="Verdict">The one verdict on putting it out: the gravest of what the sum, the live brew, the race, the tank's pairs and the
/// hour say.</param>
/// <param name="GateSays">What the gate says of the brew; where the live brew says no, that. Null without a brew.</param>
public sealed record TankView(
    TankJobAnswer Job, Verdict Verdict, Verdict? GateSays, string MixShown, string BrewShown, string WaterShown, string SpareShown,
    IReadOnlyList<ShareView> Shares, IReadOnlyList<LoadView> Loads,
    GateAnswer? Gate, MixAnswer? Mixing, SprayerRuling? Sprayer, Verdict Place, IReadOnlyList<DrawView> Draws, CostView Cost,
    HourScore? Hour, IReadOnlyList<string> Waits, string HowToCover, RaceView? Race, Verdict? Watch, OxygenNow? Now,
    IReadOnlyList<string> LabelSays);

/// <summary>A job of the past.</summary>
public sealed record ApplicationView(
    int Id, int? BatchId, string What, DateTimeOffset At, Purpose Purpose, string Dilution, string TeaShown, string TotalShown, string Tool,
    string Fitness, string? OverrideWhy, IReadOnlyList<string> Beds, bool ToWash, int? SprayerId);

/// <summary>What could go out, and what did.</summary>
public sealed record PutOutView(IReadOnlyList<BatchLine> Ready, IReadOnlyList<ApplicationView> Past);
