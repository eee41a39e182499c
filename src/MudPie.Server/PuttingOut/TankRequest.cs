using MudPie.Core.Brewing;
using MudPie.Core.PuttingOut;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;
using MudPie.Server.Brewing;

namespace MudPie.Server.PuttingOut;

/// <summary>Something from the shelf that goes in the tank, as typed.</summary>
public sealed record TankItem
{
    public int InputId { get; init; }

    /// <summary>"2 L", "30 ml", "250 g"; "1:300" where it is one part in so many.</summary>
    public string? Rate { get; init; }

    /// <summary>"perHa", "perAcre", "per100m2", "per1000ft2", "perLitre" or "oneIn".</summary>
    public string? Basis { get; init; }
}

/// <summary>A job, as typed.</summary>
public sealed record TankRequest
{
    public int? BatchId { get; init; }

    /// <summary>Strained brew that there is.</summary>
    public string? Brew { get; init; }

    public string? Dilution { get; init; }

    /// <summary>Undiluted brew on 100 m²; nothing shares out all of it.</summary>
    public string? Per100M2 { get; init; }

    public Purpose? Purpose { get; init; }

    public IReadOnlyList<int> BedIds { get; init; } = [];

    /// <summary>Mixed litres on a hectare, by number of bed, where one has its own.</summary>
    public IReadOnlyDictionary<string, string>? BedRates { get; init; }

    /// <summary>Mixed litres on a hectare, for a job without brew.</summary>
    public string? Rate { get; init; }

    public IReadOnlyList<TankItem> Items { get; init; } = [];

    public int? SprayerId { get; init; }

    /// <summary>By what, where no sprayer of the kit is chosen.</summary>
    public string? Tool { get; init; }

    public string? Tank { get; init; }

    /// <summary>Spare, in per cent.</summary>
    public string? Spare { get; init; }

    public bool StepDown { get; init; } = true;

    public string? FoodWaiting { get; init; }

    public string? Ph { get; init; }

    /// <summary>Ways, flows and hands of the race, as typed.</summary>
    public RaceAsked? Race { get; init; }

    /// <summary>Mixed litres for one plant, poured at its stem; takes the place of the rate on a hectare where there is no brew.</summary>
    public string? PerPlant { get; init; }

    /// <summary>Plants on a bed, by number of bed.</summary>
    public IReadOnlyDictionary<string, string>? Plants { get; init; }

    /// <summary>mS/cm.</summary>
    public string? Salts { get; init; }

    public string? Warmth { get; init; }

    /// <summary>Chlorine in the water of the tank, mg/L.</summary>
    public string? Strip { get; init; }

    public DateTimeOffset? At { get; init; }

    public string? Who { get; init; }

    public string? Why { get; init; }

    /// <summary>Why it goes out though the brew failed, in words.</summary>
    public string? OverrideWhy { get; init; }

    /// <summary>Why it is mixed against a rule, in words.</summary>
    public string? MixWhy { get; init; }

    /// <summary>Cautions that were shown and ticked.</summary>
    public IReadOnlyList<string> CautionsSeen { get; init; } = [];

    /// <summary>The entry of the book that this one puts right.</summary>
    public int? CorrectsId { get; init; }

    public string? CorrectionWhy { get; init; }

    /// <summary>The giving of a programme that this does.</summary>
    public int? GivingId { get; init; }
}

/// <summary>An amount ready to read out.</summary>
public sealed record AmountView(string Name, string Shown, string? InTools);

/// <summary>A bed's share ready to read out.</summary>
public sealed record ShareView(int BedId, string Name, string AreaShown, string MixShown, string BrewShown, string WaterShown, string RateShown, string DeepShown, string? StepSays, IReadOnlyList<AmountView> Products);

/// <summary>A filling ready to read out.</summary>
public sealed record LoadView(int Number, string TotalShown, string BrewShown, string WaterShown, string WaterInTools, IReadOnlyList<AmountView> Products, IReadOnlyList<string> On);

/// <summary>Which lots it comes from.</summary>
public sealed record DrawView(int InputId, string Name, IReadOnlyList<AmountView> Lots, string? Short, bool Counted);

/// <summary>Money, ready to read out.</summary>
public sealed record CostView(string Says, string Batch, string Per100M2, string PerHa, IReadOnlyList<string> Unpriced, IReadOnlyList<WorkingLine> Working);

/// <summary>The whole job, worked out.</summary>
/// <param name="Verdict">The one verdict on putting it out: the gravest of what the sum, the live brew, the race, the tank's pairs and the hour say.</param>
/// <param name="GateSays">What the gate says of the brew; where the live brew says no, that. Null without a brew.</param>
public sealed record TankView(
    TankJobAnswer Job, Verdict Verdict, Verdict? GateSays, string MixShown, string BrewShown, string WaterShown, string SpareShown, IReadOnlyList<ShareView> Shares, IReadOnlyList<LoadView> Loads,
    GateAnswer? Gate, MixAnswer? Mixing, SprayerRuling? Sprayer, Verdict Place, IReadOnlyList<DrawView> Draws, CostView Cost, HourScore? Hour, IReadOnlyList<string> Waits, string HowToCover, RaceView? Race, Verdict? Watch, OxygenNow? Now, IReadOnlyList<string> LabelSays);

/// <summary>A job of the past.</summary>
public sealed record ApplicationView(
    int Id, int? BatchId, string What, DateTimeOffset At, Purpose Purpose, string Dilution, string TeaShown, string TotalShown, string Tool, string Fitness, string? OverrideWhy, IReadOnlyList<string> Beds, bool ToWash, int? SprayerId);

/// <summary>What could go out, and what did.</summary>
public sealed record PutOutView(IReadOnlyList<BatchLine> Ready, IReadOnlyList<ApplicationView> Past);
