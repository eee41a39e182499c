using MudPie.Core.PuttingOut;
using MudPie.Core.Shelf;

namespace MudPie.Server.Shelf;

/// <summary>An organism of a label, as typed.</summary>
public sealed record SpeciesRequest(string? Name, string? Count);

/// <summary>An input with its label, as typed.</summary>
public sealed record ShelfRequest
{
    public int? Id { get; init; }

    /// <summary>Of one that is changed: its version as it was read.</summary>
    public Guid? Version { get; init; }

    public string? Name { get; init; }

    public string? Kind { get; init; }

    /// <summary>"L" or "kg"; empty for the usual of its kind.</summary>
    public string? Unit { get; init; }

    public string? Density { get; init; }

    public string? Price { get; init; }

    public IReadOnlyList<SpeciesRequest> Species { get; init; } = [];

    public string? LabelPer { get; init; }

    public string? LabelRate { get; init; }

    /// <summary>What a bare rate is on: a <see cref="RateBasis"/> by its word, or "perAcre", "per1000ft2", "perGallon".</summary>
    public string? LabelBasis { get; init; }

    public string? LabelEveryDays { get; init; }

    public string? LabelWaitDays { get; init; }

    /// <summary>"2-1-3", per cent by weight.</summary>
    public string? Npk { get; init; }

    public string? Ph { get; init; }

    public string? Notes { get; init; }
}

/// <summary>A lot that comes in, as typed.</summary>
public sealed record LotRequest
{
    public string? Mark { get; init; }

    public string? Origin { get; init; }

    public string? Amount { get; init; }

    public DateTimeOffset? From { get; init; }

    public DateTimeOffset? Expires { get; init; }

    public string? Place { get; init; }

    public string? Kept { get; init; }

    public string? Paid { get; init; }

    public string? Minutes { get; init; }

    public string? Notes { get; init; }
}

/// <summary>A count, a spill or something taken, as typed.</summary>
public sealed record EntryRequest(string? Reason, string? Amount, string? Note, DateTimeOffset? At);

/// <summary>What an hour is worth.</summary>
public sealed record WageRequest(string? Hourly);

/// <summary>An entry of a lot.</summary>
public sealed record EntryView(int Id, DateTimeOffset At, string AmountShown, StockReason Reason, string? For, string? Link, string? Note,
    string? Typed);

/// <summary>What can be done with a lot.</summary>
/// <param name="Spread">It can be put on the ground as it lies.</param>
/// <param name="Tested">A lab can test it by the litre.</param>
/// <param name="Fails">It fails a gate: it may have a second-best use.</param>
public sealed record LotMay(bool Spread, bool Tested, bool Fails);

/// <summary>A lot on the shelf.</summary>
public sealed record LotView(
    int Id, string Mark, LotOrigin Origin, string LeftShown, double LeftShare, DateTimeOffset From, DateTimeOffset? Expires, string? Place,
    string? KeptShown, string? AliveShown, string Says, Tone Tone,
    string? UnitCost, string? Notes, IReadOnlyList<EntryView> Entries, LotMay May);

/// <summary>An input with its lots.</summary>
public sealed record ShelfInputView
{
    public required int Id { get; init; }

    public required string Name { get; init; }

    public required string? Lot { get; init; }

    public required string Kind { get; init; }

    public required string KindName { get; init; }

    public required string Group { get; init; }

    public required string Unit { get; init; }

    public required string LeftShown { get; init; }

    public required string? Price { get; init; }

    /// <summary>In words: "£4.20 a litre"; null where it is not known.</summary>
    public required string? PriceShown { get; init; }

    public required string PricedBy { get; init; }

    public required double? Density { get; init; }

    public required IReadOnlyList<LabelSpecies> Species { get; init; }

    public required string? LabelPer { get; init; }

    public required string? LabelRateShown { get; init; }

    /// <summary>What its first rate is on, as the holding tells it: "perHa", or "perAcre".</summary>
    public required string? LabelBasis { get; init; }

    public required double? LabelEveryDays { get; init; }

    public required double? LabelWaitDays { get; init; }

    public required string? LabelSays { get; init; }

    public required string? Npk { get; init; }

    public required double? Ph { get; init; }

    public required string? Notes { get; init; }

    public required string? UnfitWhy { get; init; }

    public required bool Counted { get; init; }

    public required string? MadeOrBought { get; init; }

    public required IReadOnlyList<LotView> Lots { get; init; }

    public required Guid Version { get; init; }
}

/// <summary>Something to buy or make.</summary>
public sealed record ToBuyView(int InputId, string Name, string AmountShown, DateTimeOffset By, string For, string LeftShown);

/// <summary>The shelf.</summary>
public sealed record ShelfView(IReadOnlyList<ShelfInputView> Inputs, IReadOnlyList<ToBuyView> ToBuy, IReadOnlyList<string> Expiring,
    IReadOnlyList<InputKind> Kinds, double? HourlyWage);
