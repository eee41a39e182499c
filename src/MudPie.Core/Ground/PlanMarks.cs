namespace MudPie.Core.Ground;

/// <summary>A point that is marked on the plan: a peg, or where something is buried. It is kept with its bed, as shares of the box about
/// it, so that it stays where it is when other beds are surveyed.</summary>
/// <param name="BedId">The bed that lies nearest.</param>
/// <param name="East">Of the box about the bed, so much of its width from the west; below 0 and above 1 beside it.</param>
/// <param name="North">The same of its height, from the south.</param>
public sealed record PlanMark(int BedId, double East, double North);

/// <summary>Marks on the plan.</summary>
public static class PlanMarks
{
    /// <summary>How far beside its bed a mark may lie, in widths or heights of the bed.</summary>
    public const double Furthest = 20;

    /// <summary>A touched point as a mark of the bed that lies nearest; null where nothing is drawn, or it is too far off.</summary>
    /// <param name="beds">As drawn.</param>
    /// <param name="at">m east and north of the plan's south-west corner.</param>
    /// <remarks>A bed of 10 × 20 m whose corner lies at (5, 5); a touch at (10, 10): half its width, a quarter of its height.</remarks>
    public static PlanMark? At(IReadOnlyList<BedDrawn> beds, PlanPoint at)
    {
        if (!double.IsFinite(at.X) || !double.IsFinite(at.Y))
        {
            return null;
        }

        var near = beds.MinBy(b =>
        {
            var (x, y, w, h) = Box(b);
            return Math.Pow(Math.Max(Math.Max(x - at.X, at.X - x - w), 0), 2) + Math.Pow(Math.Max(Math.Max(y - at.Y, at.Y - y - h), 0), 2);
        });
        if (near is null)
        {
            return null;
        }

        var (left, low, wide, tall) = Box(near);
        var mark = new PlanMark(near.Id, (at.X - left) / wide, (at.Y - low) / tall);
        return Math.Abs(mark.East) > Furthest || Math.Abs(mark.North) > Furthest ? null : mark;
    }

    /// <summary>Where a mark lies now, m; null where its bed is not drawn any more.</summary>
    /// <param name="beds">As drawn.</param>
    /// <param name="mark">The mark.</param>
    public static PlanPoint? Where(IReadOnlyList<BedDrawn> beds, PlanMark mark)
    {
        if (beds.FirstOrDefault(b => b.Id == mark.BedId) is not { } bed)
        {
            return null;
        }

        var (left, low, wide, tall) = Box(bed);
        return new PlanPoint(left + (mark.East * wide), low + (mark.North * tall));
    }

    private static (double X, double Y, double Wide, double Tall) Box(BedDrawn bed)
    {
        var (x, y) = (bed.Points.Min(p => p.X), bed.Points.Min(p => p.Y));
        return (x, y, Math.Max(bed.Points.Max(p => p.X) - x, 0.01), Math.Max(bed.Points.Max(p => p.Y) - y, 0.01));
    }
}
