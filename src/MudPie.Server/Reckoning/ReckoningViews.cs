using MudPie.Core.Judging.Reckoning;
using MudPie.Core.Workings;

namespace MudPie.Server.Reckoning;

/// <summary>A line of a sum: "putting out, 3 h (usual)".</summary>
public sealed record SpentView(string Name, string Shown, bool Logged);

/// <summary>A door to where something stands.</summary>
public sealed record EvidenceDoor(string Text, string? Door);

/// <summary>Whether a doubt is worth a trial.</summary>
/// <param name="Title">"tea on garlic: 5 more blocks".</param>
/// <param name="Says">Worth, cost and what is left, or that leaving off is cheaper.</param>
/// <param name="Net">What it leaves, money.</param>
/// <param name="WorthShown">Worth a year.</param>
/// <param name="Ground">Ground and years that it is reckoned on.</param>
/// <param name="CheaperToStop">Leaving off costs less.</param>
/// <param name="Plan">Where the trial bench opens, filled.</param>
/// <param name="Worked">The sum.</param>
public sealed record FindOutView(string Key, string Title, string Says, double Net, string WorthShown, string Ground, bool CheaperToStop,
    string Plan, Worked<ToTry> Worked);

/// <summary>A practice in the reckoning.</summary>
public sealed record ReckonRowView
{
    public required string Key { get; init; }

    public required string Name { get; init; }

    /// <summary>"31 h · 64".</summary>
    public required string Says { get; init; }

    public required double Hours { get; init; }

    /// <summary>Of what has a price.</summary>
    public required double Money { get; init; }

    /// <summary>What has no price.</summary>
    public required IReadOnlyList<string> Unpriced { get; init; }

    /// <summary>"3 jobs on 0.011 ha".</summary>
    public required string Ground { get; init; }

    public required double Hectares { get; init; }

    /// <summary>Cost of a large area and year with its hours; null where not known.</summary>
    public required string? CostShown { get; init; }

    public required Rung Rung { get; init; }

    public required ReckonWord Word { get; init; }

    public required bool Measured { get; init; }

    /// <summary>In money of a large area, after cost.</summary>
    public required bool Priced { get; init; }

    /// <summary>Where it has no price: its own unit.</summary>
    public required string Unit { get; init; }

    /// <summary>In the holding's large area.</summary>
    public required double Mean { get; init; }

    public required double Lower { get; init; }

    public required double Upper { get; init; }

    public required string RangeShown { get; init; }

    public required string Evidence { get; init; }

    public required string? Why { get; init; }

    public required Worked<WorthRow> Worked { get; init; }

    /// <summary>Its hands step by step.</summary>
    public required IReadOnlyList<SpentView> Steps { get; init; }

    /// <summary>Trials and claims that it is judged by.</summary>
    public required IReadOnlyList<EvidenceDoor> Doors { get; init; }

    /// <summary>What was found besides, and does not count.</summary>
    public required IReadOnlyList<string> Beside { get; init; }

    /// <summary>The year before: "12 h · 30", or that there was none.</summary>
    public required string LastYear { get; init; }

    /// <summary>Kept whatever it was worth, and why.</summary>
    public required string? KeptWhy { get; init; }

    /// <summary>Claims that speak of it.</summary>
    public required IReadOnlyList<string> Claims { get; init; }

    public required FindOutView? Find { get; init; }
}

/// <summary>Hours that belong to no practice.</summary>
public sealed record WorkBesideView(string Name, string Says, double Hours, double Money, string For, IReadOnlyList<SpentView> Steps);

/// <summary>What was put in, cut another way.</summary>
public sealed record SplitLine(string Name, string Says, double Hours, double Money, string? CostShown);

/// <summary>By bed, planting or season.</summary>
public sealed record SplitView(string By, IReadOnlyList<SplitLine> Lines);

/// <summary>A usual step, with its minutes.</summary>
public sealed record UsualView(string Id, string Name, string Of, double House, double Minutes, bool Own);

/// <summary>A crop and what a kilogram or pound of it sells for.</summary>
public sealed record CropPriceView(string Crop, string Price);

/// <summary>What is said once for the whole reckoning.</summary>
/// <param name="Change">The change that stands; null before one was made.</param>
/// <param name="PricedBy">"kilo" or "pound".</param>
/// <param name="WaterBy">"cubic metre" or "1000 gallons".</param>
public sealed record TermsView(int? Change, IReadOnlyList<UsualView> Steps, string Water, string WaterBy, string Trip, string HoursAWeek,
    string Hourly, IReadOnlyList<CropPriceView> Crops, string PricedBy);

/// <summary>If only what has paid were done.</summary>
public sealed record FreedView(double Hours, double Money, string HoursShown, string MoneyShown, int Practices, string Says);

/// <summary>The reckoning of a year.</summary>
public sealed record ReckoningView
{
    /// <summary>"November 2025 to November 2026".</summary>
    public required string Span { get; init; }

    /// <summary>"a hectare" or "an acre".</summary>
    public required string Area { get; init; }

    public required string Headline { get; init; }

    public required string Second { get; init; }

    /// <summary>How much of the hours was logged, and that the rest is usual.</summary>
    public required string Logged { get; init; }

    /// <summary>The year before, in a sentence.</summary>
    public required string LastYear { get; init; }

    public required double Hours { get; init; }

    public required double Money { get; init; }

    public required IReadOnlyList<ReckonRowView> Rows { get; init; }

    public required IReadOnlyList<WorkBesideView> Beside { get; init; }

    /// <summary>Doubts, the best bargain first.</summary>
    public required IReadOnlyList<FindOutView> Find { get; init; }

    public required FreedView Freed { get; init; }

    public required IReadOnlyList<SplitView> Splits { get; init; }

    public required TermsView Terms { get; init; }

    /// <summary>The hour's worth that it was reckoned with; null where none is set.</summary>
    public required double? Hourly { get; init; }

    /// <summary>Years that a thing would be used for.</summary>
    public required double Years { get; init; }

    /// <summary>Ground that each would be used on, in the large area; null for its own of this year.</summary>
    public required double? GroundAsked { get; init; }

    /// <summary>"ha" or "acres".</summary>
    public required string GroundUnit { get; init; }

    public required IReadOnlyList<Caution> Cautions { get; init; }
}

/// <summary>What is said once, as it is typed.</summary>
public sealed record TermsRequest
{
    /// <summary>The change that was read; null where there was none.</summary>
    public int? Change { get; init; }

    /// <summary>Minutes by step, as typed; a step that is empty or left out goes by the house's.</summary>
    public IReadOnlyDictionary<string, string?>? Minutes { get; init; }

    public string? Water { get; init; }

    public string? Trip { get; init; }

    public string? HoursAWeek { get; init; }

    public string? Hourly { get; init; }

    /// <summary>Price of a kilogram or pound by crop, as typed.</summary>
    public IReadOnlyDictionary<string, string?>? Crops { get; init; }
}

/// <summary>A practice that is kept whatever it was worth.</summary>
/// <param name="Practice">Its key.</param>
/// <param name="Why">Why; empty takes it back.</param>
public sealed record KeptAnywayRequest(string? Practice, string? Why);
