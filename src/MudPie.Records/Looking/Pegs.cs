using MudPie.Core.Ground;
using MudPie.Core.Looking;
using MudPie.Records.Ground;

namespace MudPie.Records.Looking;

/// <summary>A part of a bed whose ground is of one kind: good and poor apart.</summary>
public sealed class Zone : IVersioned
{
    public int Id { get; set; }

    public int BedId { get; set; }

    public Bed Bed { get; set; } = null!;

    public required string Name { get; set; }

    /// <summary>What its ground mostly is; null where nobody felt it.</summary>
    public Texture? Texture { get; set; }

    /// <summary>Its outline in shares of the box about its bed, or the points of a yield map that lie in it; null where it was not
    /// drawn.</summary>
    public ZoneShape? Shape { get; set; }

    /// <summary>From a yield map: "2.1 to 3.4, the poorest third".</summary>
    public string? Yield { get; set; }

    public DateTimeOffset? EndedAt { get; set; }

    /// <inheritdoc/>
    public Guid Version { get; set; }
}

/// <summary>A fixed point to which one comes back.</summary>
public sealed class Peg : IVersioned
{
    public int Id { get; set; }

    public required string Name { get; set; }

    public int BedId { get; set; }

    public Bed Bed { get; set; } = null!;

    public int? ZoneId { get; set; }

    public Zone? Zone { get; set; }

    /// <summary>On the plan, in widths of the box about its bed from the west; null where it was not touched there.</summary>
    public double? MarkEast { get; set; }

    /// <summary>In heights, from the south.</summary>
    public double? MarkNorth { get; set; }

    /// <summary>"31 paces from the gate post, toward the oak".</summary>
    public string? Paces { get; set; }

    /// <summary>The peg that it is a pair with.</summary>
    public int? BesideId { get; set; }

    /// <summary>What differs between the two, this one's side: "not wheeled".</summary>
    public string? Differs { get; set; }

    public DateTimeOffset? EndedAt { get; set; }

    /// <inheritdoc/>
    public Guid Version { get; set; }
}

/// <summary>A check at a peg. Never changed.</summary>
public sealed class GroundCheck : IPutRight
{
    public int Id { get; set; }

    public int PegId { get; set; }

    public Peg Peg { get; set; } = null!;

    public DateTimeOffset At { get; set; }

    public DateTimeOffset RecordedAt { get; set; }

    public CheckKind Kind { get; set; }

    /// <summary>As it was tapped or typed.</summary>
    public required CheckAsked Asked { get; set; }

    /// <summary>Its headline figure, as it was read then.</summary>
    public double Figure { get; set; }

    public double? Lower { get; set; }

    public double? Upper { get; set; }

    /// <summary>What it said of the ground; null where it says nothing.</summary>
    public Life? Life { get; set; }

    /// <summary>"34 worms in 3 blocks: 11.3 a block".</summary>
    public required string Shown { get; set; }

    public Wetness? Wet { get; set; }

    /// <summary>Hours since it last rained.</summary>
    public double? RainHours { get; set; }

    /// <summary>How much fell then, mm.</summary>
    public double? RainMm { get; set; }

    /// <summary>Who looked, by role.</summary>
    public string? Who { get; set; }

    /// <inheritdoc/>
    public int? CorrectsId { get; set; }

    /// <summary>It only takes the other one out.</summary>
    public bool Strikes { get; set; }

    /// <summary>Why it puts the other one right, or takes it out.</summary>
    public string? Why { get; set; }
}

/// <summary>A picture from a peg. Never changed.</summary>
public sealed class PegPhoto
{
    public int Id { get; set; }

    public int PegId { get; set; }

    /// <summary>When it was taken: by the camera where it says so, else when it was sent.</summary>
    public DateTimeOffset At { get; set; }

    public DateTimeOffset RecordedAt { get; set; }

    public int PhotoId { get; set; }

    /// <summary>It shows the way there.</summary>
    public bool Way { get; set; }

    /// <summary>From above.</summary>
    public bool Above { get; set; }

    /// <summary>"to the oak", "north".</summary>
    public string? Toward { get; set; }

    /// <summary>Of the camera, m.</summary>
    public double? HeightM { get; set; }

    /// <summary>Where the camera said it was, degrees; kept only where that was wanted.</summary>
    public double? Latitude { get; set; }

    public double? Longitude { get; set; }

    /// <summary>Drawn for the demo, and no photo.</summary>
    public bool Drawn { get; set; }
}

/// <summary>A round of pegs.</summary>
public sealed class Walk : IVersioned
{
    public int Id { get; set; }

    public required string Name { get; set; }

    /// <summary>The trip that is made anyway: "when the moisture is probed before sowing".</summary>
    public string? HungOn { get; set; }

    public required WalkPlan Plan { get; set; }

    public DateTimeOffset? EndedAt { get; set; }

    /// <inheritdoc/>
    public Guid Version { get; set; }
}

/// <summary>What grew on a bed, from when to when.</summary>
public sealed class Planting : IVersioned
{
    public int Id { get; set; }

    public int BedId { get; set; }

    public Bed Bed { get; set; } = null!;

    public required string Crop { get; set; }

    public string? Variety { get; set; }

    /// <summary>Since when; null: since before it was written down.</summary>
    public DateTimeOffset? From { get; set; }

    /// <summary>Until when; null: it stands.</summary>
    public DateTimeOffset? To { get; set; }

    /// <summary>"annual", "grass", "perennial" or "tree".</summary>
    public required string Growing { get; set; }

    /// <summary>Whether and how it is eaten.</summary>
    public Core.Book.Eaten Eaten { get; set; }

    /// <inheritdoc/>
    public Guid Version { get; set; }
}

/// <summary>Something that was done to the ground, or rain. Never changed.</summary>
public sealed class FieldLog : IPutRight
{
    public int Id { get; set; }

    /// <summary>Null for all the ground: rain.</summary>
    public int? BedId { get; set; }

    public Bed? Bed { get; set; }

    public DateTimeOffset At { get; set; }

    public DateTimeOffset RecordedAt { get; set; }

    public FieldDeed Deed { get; set; }

    /// <summary>Water, mm.</summary>
    public double? Mm { get; set; }

    /// <summary>Water, L; null where it was said in mm.</summary>
    public double? Litres { get; set; }

    /// <summary>Of a tillage.</summary>
    public double? DepthCm { get; set; }

    public string? Crop { get; set; }

    public string? Variety { get; set; }

    /// <summary>The amount as typed.</summary>
    public string? Typed { get; set; }

    public string? Note { get; set; }

    /// <summary>The planting that began with it.</summary>
    public int? PlantingId { get; set; }

    /// <inheritdoc/>
    public int? CorrectsId { get; set; }

    /// <summary>It only takes the other one out.</summary>
    public bool Strikes { get; set; }

    /// <summary>Why.</summary>
    public string? Why { get; set; }
}

/// <summary>What the holding wants to reach.</summary>
public sealed class Goal : IVersioned
{
    public int Id { get; set; }

    public required string Name { get; set; }

    public GoalMeasure Measure { get; set; }

    /// <summary>Of which check, where it is one.</summary>
    public CheckKind? Check { get; set; }

    /// <summary>Of which thing of the shelf, where it is its uses.</summary>
    public int? InputId { get; set; }

    /// <summary>Where; null for the whole holding.</summary>
    public int? BedId { get; set; }

    public Bed? Bed { get; set; }

    public DateOnly BaselineOn { get; set; }

    public double Baseline { get; set; }

    /// <summary>Where the baseline comes from: "the notebook of 2023".</summary>
    public string? BaselineFrom { get; set; }

    public DateOnly TargetOn { get; set; }

    public double Target { get; set; }

    /// <summary>What would count as met, in the grower's own words.</summary>
    public string? Met { get; set; }

    /// <summary>What follows if it is missed.</summary>
    public string? IfMissed { get; set; }

    public DateTimeOffset? EndedAt { get; set; }

    public List<GoalThing> Things { get; } = [];

    /// <inheritdoc/>
    public Guid Version { get; set; }
}

/// <summary>Something made, put out or tried that is hung from a goal.</summary>
public sealed class GoalThing
{
    public int Id { get; set; }

    public int GoalId { get; set; }

    /// <summary>"job", "batch" or "trial".</summary>
    public required string Kind { get; set; }

    /// <summary>Its number within its kind.</summary>
    public int ThingId { get; set; }
}
