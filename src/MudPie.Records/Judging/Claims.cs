using MudPie.Core.Judging.Claims;
using MudPie.Core.Judging.Reckoning;

namespace MudPie.Records.Judging;

/// <summary>A card of the grower's own, or the house's as the grower changed it. Never changed: the newest of a key counts.</summary>
public sealed class OwnClaim
{
    public int Id { get; set; }

    /// <summary>The house's key, or one that begins with "own-".</summary>
    public required string Key { get; set; }

    /// <summary>The card; null where it was put away, and the house's counts again.</summary>
    public ClaimCard? Card { get; set; }

    public DateTimeOffset At { get; set; }
}

/// <summary>What the grower says once for the reckoning. Never changed: the newest counts.</summary>
public sealed class OwnReckoning
{
    public int Id { get; set; }

    public required ReckoningTerms Terms { get; set; }

    public DateTimeOffset At { get; set; }
}

/// <summary>A practice that is kept whatever it was worth, and why. Never changed: the newest of a practice counts.</summary>
public sealed class KeptAnyway
{
    public int Id { get; set; }

    /// <summary>"input-7.garlic".</summary>
    public required string Practice { get; set; }

    /// <summary>In the grower's words; null where that is taken back.</summary>
    public string? Why { get; set; }

    public DateTimeOffset At { get; set; }
}

/// <summary>What a neighbour found, as it came in a file.</summary>
public sealed class ClaimFinding
{
    public int Id { get; set; }

    public required string Key { get; set; }

    /// <summary>Who sent it, in the grower's own words.</summary>
    public required string From { get; set; }

    public FoundSays Says { get; set; }

    public required string Text { get; set; }

    public DateOnly On { get; set; }

    public DateTimeOffset RecordedAt { get; set; }
}
