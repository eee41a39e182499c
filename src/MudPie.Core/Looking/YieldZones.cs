using MudPie.Core.Ground;
using MudPie.Core.Workings;

namespace MudPie.Core.Looking;

/// <summary>A point or a cell of a yield map.</summary>
/// <param name="At">Where, m on the plan.</param>
/// <param name="Yield">How much, in whatever the map says.</param>
public sealed record YieldAt(PlanPoint At, double Yield);

/// <summary>A zone of a yield map.</summary>
/// <param name="Number">1 is the poorest.</param>
/// <param name="From">Yields from here.</param>
/// <param name="To">To here.</param>
/// <param name="Points">Of the map, in it.</param>
/// <param name="Share">Of all points, 0 to 1.</param>
/// <param name="Median">Its middle.</param>
/// <param name="Peg">Where a peg stands well: the point of the zone nearest to the middle of its largest patch.</param>
public sealed record YieldZone(int Number, double From, double To, int Points, double Share, double Median, PlanPoint Peg);

/// <summary>Zones from a yield map by quantile: as many points in each, from the poorest to the best.</summary>
public static class YieldZones
{
    /// <summary>Fewest zones, and most.</summary>
    public const int Fewest = 2, Most = 5;

    /// <summary>A map holds so many points at the least for each zone, and at the most in all.</summary>
    public const int LeastEach = 5, MostPoints = 100_000;

    /// <summary>Works them out.</summary>
    /// <param name="map">Points of the map; those that are no number are refused.</param>
    /// <param name="zones">2 to 5.</param>
    /// <remarks>Twelve points of 1 to 12 t in three zones: edges at 4.67 and 8.33 t (quantiles as R's type 7), four points each. Source:
    /// quantiles; that a yield map shows the ground is a practitioners' rule: one year may show the weather.</remarks>
    public static Ruling<IReadOnlyList<YieldZone>> Of(IReadOnlyList<YieldAt> map, int zones)
    {
        var checks = new Checks();
        checks.Range("zones", zones, Fewest, Most, "");
        if (map.Count > MostPoints)
        {
            checks.Add("map", $"{map.Count:#,0} points are too many.", "Thin the map to 100,000 or fewer.");
        }
        else if (map.Count < LeastEach * Math.Clamp(zones, Fewest, Most))
        {
            checks.Add("map", $"{Say.Count(map.Count, "point")} are too few.", $"A zone wants {LeastEach} at the least.");
        }

        if (map.Any(p => !double.IsFinite(p.Yield) || !double.IsFinite(p.At.X) || !double.IsFinite(p.At.Y)))
        {
            checks.Add("map", "A point of it is no number.", "Leave such points out of the file.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var sorted = map.Select(p => p.Yield).Order().ToArray();
        if (sorted[0] >= sorted[^1])
        {
            return Refusal.Of("map", "It yields the same everywhere.", "Take another property of the file, or draw zones by hand.");
        }

        double[] edges = [.. Enumerable.Range(0, zones + 1).Select(i => Quantile(sorted, (double)i / zones))];
        List<YieldZone> answer = [.. Enumerable.Range(0, zones).Select(i =>
        {
            List<YieldAt> inside = [.. map.Where(p => ZoneOf(p.Yield, edges) == i)];
            return inside.Count == 0 ? null : new YieldZone(i + 1, edges[i], edges[i + 1], inside.Count, (double)inside.Count / map.Count,
                Quantile([.. inside.Select(p => p.Yield).Order()], 0.5), Peg(inside, map));
        }).OfType<YieldZone>()];
        return Worked.Of((IReadOnlyList<YieldZone>)answer, "", Evidence.PractitionersRule,
            answer.Select(z => new WorkingLine($"zone {z.Number}", "between two quantiles of all points",
                $"{Say.Number(z.From)} to {Say.Number(z.To)}", $"{Say.Count(z.Points, "point")}, middle {Say.Number(z.Median)}",
                "a map of one year may show its weather: two or three years say more")));
    }

    /// <summary>The zone that a yield falls in, from 0; an edge belongs to the better zone, the last edge to the best.</summary>
    public static int ZoneOf(double yield, IReadOnlyList<double> edges)
    {
        for (var i = edges.Count - 2; i > 0; i--)
        {
            if (yield >= edges[i])
            {
                return i;
            }
        }

        return 0;
    }

    /// <summary>A quantile along straight lines between the sorted values (R's type 7).</summary>
    public static double Quantile(IReadOnlyList<double> sorted, double share)
    {
        var at = share * (sorted.Count - 1);
        var (low, high) = ((int)Math.Floor(at), (int)Math.Ceiling(at));
        return sorted[low] + ((sorted[high] - sorted[low]) * (at - low));
    }

    /// <summary>The zone's own point nearest to the middle of the square of the map in which most of the zone lies.</summary>
    private static PlanPoint Peg(List<YieldAt> zone, IReadOnlyList<YieldAt> map)
    {
        var (west, south) = (map.Min(p => p.At.X), map.Min(p => p.At.Y));
        var cell = Math.Max(Math.Max(map.Max(p => p.At.X) - west, map.Max(p => p.At.Y) - south) / 6, 1e-9);
        var densest = zone.GroupBy(p => (X: (int)((p.At.X - west) / cell), Y: (int)((p.At.Y - south) / cell)))
            .OrderByDescending(g => g.Count()).ThenBy(g => g.Key.X).ThenBy(g => g.Key.Y).First();
        var (x, y) = (densest.Average(p => p.At.X), densest.Average(p => p.At.Y));
        return densest.MinBy(p => ((p.At.X - x) * (p.At.X - x)) + ((p.At.Y - y) * (p.At.Y - y)))!.At;
    }
}
