namespace MudPie.Core.Mixing;

/// <summary>A part of the mixes, as it was chosen.</summary>
public sealed record MixPartAsked
{
    /// <summary>A thing of the shelf; null for one that is only named.</summary>
    public int? InputId { get; init; }

    /// <summary>What it is called, where it does not lie on the shelf.</summary>
    public string? Name { get; init; }

    /// <summary>A bale, bag or brick of it once it is loosened, as typed: "70 L"; empty where it comes loose.</summary>
    public string? Pack { get; init; }
}

/// <summary>One mix, as typed.</summary>
public sealed record MixWanted
{
    /// <summary>What it is called.</summary>
    public string? Name { get; init; }

    /// <summary>Pots or trays of it, as typed; of a bed nothing.</summary>
    public string? Count { get; init; }

    /// <summary>Of each part, in the order of the parts: per cent, or so many of the grower's own buckets; empty for none.</summary>
    public IReadOnlyList<string?> Shares { get; init; } = [];
}

/// <summary>The charge, as typed.</summary>
public sealed record ChargeAsked
{
    /// <summary>The part that is charged, by its place among the parts.</summary>
    public int? Of { get; init; }

    /// <summary>The part it is charged with, likewise.</summary>
    public int? With { get; init; }

    /// <summary>Litres of that to one; empty: the most that every mix bears.</summary>
    public string? Ratio { get; init; }

    /// <summary>What it lies in, as typed: "20 L"; empty for a heap on a tarp.</summary>
    public string? Container { get; init; }
}

/// <summary>A job of mixing, as it is asked for; kept whole.</summary>
public sealed record MixRequest
{
    /// <summary>What the job is called.</summary>
    public string? Name { get; init; }

    /// <summary>What is filled.</summary>
    public Filling Into { get; init; }

    /// <summary>One pot, or one cell of a tray, as typed: "3 L".</summary>
    public string? Pot { get; init; }

    /// <summary>Cells in a tray, as typed.</summary>
    public string? Cells { get; init; }

    /// <summary>The bed that is filled, or on which the pots will stand; null where none is said.</summary>
    public int? BedId { get; init; }

    /// <summary>Ground of a bed, as typed.</summary>
    public string? Area { get; init; }

    /// <summary>Depth of a bed, as typed: "20 cm".</summary>
    public string? Depth { get; init; }

    /// <summary>Per cent made beyond that; empty for ten.</summary>
    public string? Spare { get; init; }

    /// <summary>Per cent lost in mixing; empty for ten.</summary>
    public string? Loss { get; init; }

    /// <summary>Per cent lost in settling; empty for none.</summary>
    public string? Settle { get; init; }

    /// <summary>True where parts are said in buckets and not in per cent.</summary>
    public bool InBuckets { get; init; }

    /// <summary>1 to 20 parts.</summary>
    public IReadOnlyList<MixPartAsked> Parts { get; init; } = [];

    /// <summary>1 to 20 mixes.</summary>
    public IReadOnlyList<MixWanted> Mixes { get; init; } = [];

    /// <summary>A part that is charged first; null where none is.</summary>
    public ChargeAsked? Charge { get; init; }

    /// <summary>The day of sowing.</summary>
    public DateOnly? SowOn { get; init; }

    /// <summary>What grows in it.</summary>
    public PotCrop Crop { get; init; }

    /// <summary>Why raw char goes in all the same.</summary>
    public string? RawWhy { get; init; }

    /// <summary>What a litre costs in a shop, as typed.</summary>
    public string? Bought { get; init; }

    /// <summary>Minutes of work, as typed.</summary>
    public string? Minutes { get; init; }

    /// <summary>The trial whose treatments these are; null for none.</summary>
    public int? TrialId { get; init; }
}

/// <summary>What the shelf says of a thing that may go into a mix.</summary>
/// <param name="Name">Its name, with its lot's mark where it has one.</param>
/// <param name="Kind">Its kind.</param>
/// <param name="LeftL">What is good of it, L; null where it was never counted.</param>
/// <param name="PricePerL">Of a litre; null where not known.</param>
public sealed record ShelfPart(string Name, string Kind, double? LeftL, double? PricePerL);
