namespace MudPie.Core.Ground;

/// <summary>Where a zone lies within its bed, in shares of the box about the bed, so that it stays when other beds are surveyed.</summary>
public sealed record ZoneShape
{
    /// <summary>Its outline, three corners or more; empty where it comes from a yield map.</summary>
    public IReadOnlyList<PlanPoint> Outline { get; init; } = [];

    /// <summary>Points of a yield map that lie in it, thinned.</summary>
    public IReadOnlyList<PlanPoint> Points { get; init; } = [];

    /// <summary>Most corners of an outline; most points that are kept of a map.</summary>
    public const int MostCorners = 60, MostPoints = 400;
}
