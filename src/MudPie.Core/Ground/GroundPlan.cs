using MudPie.Core.Workings;

namespace MudPie.Core.Ground;

/// <summary>A corner, degrees.</summary>
public sealed record Corner(double Longitude, double Latitude);

/// <summary>A bed, with its outline or without.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Name">Its name.</param>
/// <param name="AreaM2">Its area as kept.</param>
/// <param name="Outline">Its corners, three or more; null where it was never surveyed.</param>
public sealed record BedOutline(int Id, string Name, double AreaM2, IReadOnlyList<Corner>? Outline);

/// <summary>A point on the plan, m east and north of its south-west corner.</summary>
public sealed record PlanPoint(double X, double Y);

/// <summary>A bed on the plan.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Name">Its name.</param>
/// <param name="Points">Its corners, m.</param>
/// <param name="AreaM2">By its outline, or as kept.</param>
/// <param name="Surveyed">False where only its area is known: drawn as a rectangle beside the others.</param>
public sealed record BedDrawn(int Id, string Name, IReadOnlyList<PlanPoint> Points, double AreaM2, bool Surveyed);

/// <summary>A plan of the ground, to scale.</summary>
public sealed record GroundPlanAnswer(double WidthM, double HeightM, double ScaleBarM, IReadOnlyList<BedDrawn> Beds);

/// <summary>The ground drawn to scale from outlines, and from areas where there are none.</summary>
public static class GroundPlan
{
    // Mean radius of the earth (IUGG), m. Over a holding a plane is true to a few parts in ten thousand.
    private const double EarthM = 6_371_008.8;

    /// <summary>Area inside an outline by the shoelace formula on a plane that touches the earth at its middle, m².</summary>
    /// <remarks>A hundredth of a degree square at the equator: 1,236,431 m² with this radius.</remarks>
    public static double AreaM2(IReadOnlyList<Corner> outline)
    {
        var flat = Flat(outline, outline.Average(c => c.Latitude), outline.Average(c => c.Longitude));
        return Math.Abs(flat.Select((p, i) => (p.X * flat[(i + 1) % flat.Count].Y) - (flat[(i + 1) % flat.Count].X * p.Y)).Sum()) / 2;
    }

    /// <summary>Draws all beds. Those without an outline stand in a row beside the others, each a rectangle of its area.</summary>
    public static Ruling<GroundPlanAnswer> Of(IReadOnlyList<BedOutline> beds)
    {
        var checks = new Checks();
        for (var i = 0; i < beds.Count; i++)
        {
            checks.Range($"beds[{i}].areaM2", beds[i].AreaM2, 0.1, 1_000_000, "m²");
            if (beds[i].Outline is { } o
                && (o.Count is < 3 or > 5000 || o.Any(c => !(Math.Abs(c.Latitude) <= 90) || !(Math.Abs(c.Longitude) <= 180))))
            {
                checks.Add($"beds[{i}].outline", $"The outline of {beds[i].Name} has {o.Count} corners, or one that is not on the earth.",
                    "Give three or more, as longitude and latitude in degrees.");
            }
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var surveyed = beds.Where(b => b.Outline is not null).ToList();
        var drawn = new List<BedDrawn>();
        var (width, height) = (0.0, 0.0);
        if (surveyed.Count > 0)
        {
            var corners = surveyed.SelectMany(b => b.Outline!).ToList();
            var (lat, lon) = ((corners.Max(c => c.Latitude) + corners.Min(c => c.Latitude)) / 2,
                (corners.Max(c => c.Longitude) + corners.Min(c => c.Longitude)) / 2);
            var flat = surveyed.Select(b => Flat(b.Outline!, lat, lon)).ToList();
            var (west, south) = (flat.Min(f => f.Min(p => p.X)), flat.Min(f => f.Min(p => p.Y)));
            drawn.AddRange(surveyed.Zip(flat, (b, f) =>
                new BedDrawn(b.Id, b.Name, [.. f.Select(p => new PlanPoint(p.X - west, p.Y - south))], AreaM2(b.Outline!), true)));
            (width, height) = (drawn.Max(d => d.Points.Max(p => p.X)), drawn.Max(d => d.Points.Max(p => p.Y)));
        }

        var rest = beds.Where(b => b.Outline is null).ToList();
        var gap = Math.Max(1, Math.Sqrt(beds.Sum(b => b.AreaM2)) / 40);
        var (x, y, row) = (0.0, surveyed.Count > 0 ? height + gap : 0, 0.0);
        var most = Math.Max(width, Math.Sqrt(rest.Sum(b => b.AreaM2)) * 1.8);
        foreach (var bed in rest.OrderByDescending(b => b.AreaM2))
        {
            var deep = bed.AreaM2 < 100 ? Math.Sqrt(bed.AreaM2 / 2) : Math.Sqrt(bed.AreaM2 / 1.6);
            var wide = bed.AreaM2 / deep;
            if (x > 0 && x + wide > most)
            {
                (x, y, row) = (0, y + row + gap, 0);
            }

            drawn.Add(new BedDrawn(bed.Id, bed.Name, [new(x, y), new(x + wide, y), new(x + wide, y + deep), new(x, y + deep)],
                bed.AreaM2, false));
            (width, height, row) = (Math.Max(width, x + wide), Math.Max(height, y + deep), Math.Max(row, deep));
            x += wide + gap;
        }

        return Worked.Of(
            new GroundPlanAnswer(width, height, Bar(width), drawn), "m", Evidence.ChemistryOrPhysics,
            drawn.Where(d => d.Surveyed)
                .Select(d => new WorkingLine(d.Name, "shoelace over its corners on a plane", $"{d.Points.Count} corners",
                    $"{Say.Number(d.AreaM2, 4)} m²", "mean radius of the earth 6,371,009 m")));
    }

    private static List<PlanPoint> Flat(IReadOnlyList<Corner> outline, double latitude, double longitude)
    {
        const double rad = Math.PI / 180;
        var ring = outline.Count > 1 && outline[0] == outline[^1] ? outline.SkipLast(1) : outline;
        return [.. ring.Select(c => new PlanPoint((c.Longitude - longitude) * rad * EarthM * Math.Cos(latitude * rad),
            (c.Latitude - latitude) * rad * EarthM))];
    }

    private static double Bar(double width)
    {
        var target = Math.Max(width, 1) / 5;
        var ten = Math.Pow(10, Math.Floor(Math.Log10(target)));
        return target / ten >= 5 ? 5 * ten : target / ten >= 2 ? 2 * ten : ten;
    }
}
