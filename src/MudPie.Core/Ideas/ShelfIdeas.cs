using System.Text.Json.Serialization;

namespace MudPie.Core.Ideas;

/// <summary>Why a lot has more or less than before.</summary>
public enum StockReason
{
    /// <summary>It came in.</summary>
    In,

    /// <summary>It went into a brew.</summary>
    Brew,

    /// <summary>It was put out.</summary>
    Used,

    /// <summary>It went into something made.</summary>
    Made,

    /// <summary>It was spilt, or thrown away.</summary>
    Spilt,

    /// <summary>It was counted: the difference.</summary>
    Count,

    /// <summary>A job that took it was put right, or never happened.</summary>
    Undone,

    /// <summary>More was used than the book held.</summary>
    More,
}

/// <summary>How a lot came to be.</summary>
public enum LotOrigin
{
    /// <summary>It was bought.</summary>
    Bought,

    /// <summary>It was made here.</summary>
    Made,
}

/// <summary>What a rate on a label is on.</summary>
public enum RateBasis
{
    /// <summary>A hectare of ground.</summary>
    PerHa,

    /// <summary>100 m² of ground.</summary>
    [JsonStringEnumMemberName("per100m2")]
    Per100M2,

    /// <summary>A litre of mix or feed.</summary>
    PerLitre,

    /// <summary>A plant.</summary>
    PerPlant,

    /// <summary>A kilogram of seed.</summary>
    PerKgSeed,

    /// <summary>A cubic metre of potting mix.</summary>
    PerM3Mix,

    /// <summary>One part in so many of the mix.</summary>
    OneIn,
}
