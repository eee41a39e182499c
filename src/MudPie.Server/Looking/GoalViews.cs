using MudPie.Core.Looking;
using MudPie.Core.Workings;

namespace MudPie.Server.Looking;

/// <summary>A goal as typed.</summary>
public sealed record GoalRequest(int? Id, Guid? Version, string? Name, GoalMeasure? Measure, CheckKind? Check, int? InputId, int? BedId)
{
    public DateOnly? BaselineOn { get; init; }

    public string? Baseline { get; init; }

    public string? BaselineFrom { get; init; }

    public DateOnly? TargetOn { get; init; }

    public string? Target { get; init; }

    public string? Met { get; init; }

    public string? IfMissed { get; init; }
}

/// <summary>Something is hung from a goal, or taken off it.</summary>
/// <param name="Kind">"job", "batch" or "trial".</param>
public sealed record HangRequest(string? Kind, int? ThingId, bool On = true);

/// <summary>Something that hangs from a goal, or may.</summary>
public sealed record GoalHung(string Kind, int ThingId, DateTimeOffset? At, string Text, string Link, double? Money, bool On)
{
    /// <summary>Hands that it took, h; null where none are known.</summary>
    public double? Hours { get; init; }

    /// <summary>The brew that a job put out: with it, the brew does not count again.</summary>
    public int? OfBatch { get; init; }
}

/// <summary>A goal against its line.</summary>
public sealed record GoalView(int Id, Guid Version, string Name, GoalMeasure Measure, CheckKind? Check, int? InputId, int? BedId,
    string Where, string Measured, string Unit, GoalPoint Baseline, string? BaselineFrom, GoalPoint Target, string? Met, string? IfMissed,
    IReadOnlyList<GoalPoint> Points, Worked<GoalAnswer> Answer, string Follows, IReadOnlyList<GoalHung> Hung, string SpentShown);

/// <summary>A measure to choose.</summary>
public sealed record GoalMeasureView(GoalMeasure Measure, string Name, string Unit);

/// <summary>Goals, and what may be measured and hung.</summary>
public sealed record GoalsView(IReadOnlyList<GoalView> Goals, IReadOnlyList<GoalMeasureView> Measures, IReadOnlyList<CheckHow> Checks,
    IReadOnlyList<GoalHung> Recent);
