using MudPie.Core.Mixing;
using MudPie.Records.Ground;

namespace MudPie.Records.Mixing;

/// <summary>A job of mixing: one mix or several that are made at once.</summary>
public sealed class MixJob : IVersioned
{
    public int Id { get; set; }

    /// <inheritdoc/>
    public Guid Version { get; set; }

    public required string Name { get; set; }

    /// <summary>As it was asked for.</summary>
    public required MixRequest Asked { get; set; }

    /// <summary>When it was first written on the card.</summary>
    public DateTimeOffset At { get; set; }

    public List<MixEntry> Log { get; } = [];
}

/// <summary>A step of a job of mixing. Never changed: one that was wrong is undone by a later one that points at it.</summary>
public sealed class MixEntry : IPutRight
{
    public int Id { get; set; }

    public int MixId { get; set; }

    public MixJob Mix { get; set; } = null!;

    public MixStep Step { get; set; }

    public DateTimeOffset At { get; set; }

    public DateTimeOffset RecordedAt { get; set; }

    /// <summary>How damp the charge was, where it was looked at.</summary>
    public Damp? Damp { get; set; }

    /// <summary>What was done, in a sentence.</summary>
    public required string Text { get; set; }

    /// <summary>The grower's own words.</summary>
    public string? Note { get; set; }

    /// <summary>The bed that was filled, or on which the pots stand.</summary>
    public int? BedId { get; set; }

    public Bed? Bed { get; set; }

    /// <summary>The step that this one undoes.</summary>
    public int? CorrectsId { get; set; }
}
