using System.Globalization;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Ground;
using MudPie.Core.Looking;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Looking;
using MudPie.Server.Ground;
using MudPie.Server.Web;
using NetTopologySuite.Features;

namespace MudPie.Server.Looking;

/// <summary>Zones from a yield map.</summary>
public static class YieldMaps
{
    private const string WayOut = "Bring a FeatureCollection of points or cells, each with a figure of its yield.";

    /// <summary>How far beside its bed a map may reach, in widths of it.</summary>
    private const double Beside = 0.3;

    /// <summary>What can be asked and done.</summary>
    public static void MapYieldMaps(this IEndpointRouteBuilder api)
    {
        api.MapPost("/look/zones/yield/preview", Preview).ForVisitor("Zones that a yield map would make.");
        api.MapPost("/look/zones/yield", Keep).ForHand("Keeps those zones, with a peg in each.");
    }

    private sealed record Read(IReadOnlyList<string> Properties, string Property, IReadOnlyList<YieldAt> Map,
        IReadOnlyList<YieldZone> Zones, IReadOnlyList<PlanPoint> Shares, IReadOnlyList<BedDrawn> Drawn);

    private static async Task<Results<Ok<YieldPreview>, Refused>> Preview(YieldRequest r, HoldingDb db)
    {
        var (read, wrong) = await Of(r, db);
        return read is null ? Problems.Of(wrong!) : TypedResults.Ok(new YieldPreview(read.Properties, read.Property,
            [.. read.Zones.Select(z => new YieldZoneView(z.Number, Name(z, read.Zones.Count), Says(z), z.Peg, Points(z, read)))]));
    }

    private static string Name(YieldZone z, int of) => z.Number == 1 ? "poor" : z.Number == of ? "good" : of == 3 ? "middling"
        : $"zone {z.Number}";

    private static string Says(YieldZone z) =>
        $"{Say.Number(z.From)} to {Say.Number(z.To)}, middle {Say.Number(z.Median)}: {Say.Number(z.Share * 100, 2)} % of the map";

    private static List<PlanPoint> Points(YieldZone z, Read read) => Thinned([.. read.Map.Where(p => In(p, z, read)).Select(p => p.At)]);

    private static bool In(YieldAt p, YieldZone z, Read read) =>
        (p.Yield >= z.From || z == read.Zones[0]) && (p.Yield < z.To || z == read.Zones[^1]);

    private static List<T> Thinned<T>(IReadOnlyList<T> all)
    {
        var step = Math.Max(1, (int)Math.Ceiling(all.Count / (double)ZoneShape.MostPoints));
        return [.. all.Where((_, i) => i % step == 0)];
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Keep(YieldRequest r, HoldingDb db, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var (read, wrong) = await Of(r, db);
        if (read is null)
        {
            return wrong!;
        }

        List<BedDrawn> bed = [.. read.Drawn.Where(b => b.Id == r.BedId)];
        foreach (var z in read.Zones)
        {
            var name = Name(z, read.Zones.Count);
            List<PlanPoint> shares = Thinned([.. read.Map.Zip(read.Shares).Where(p => In(p.First, z, read)).Select(p => p.Second)]);
            var zone = db.Zones.Add(new Zone {
                BedId = r.BedId!.Value, Name = name, Yield = $"{read.Property} {Says(z)}", Shape = new ZoneShape { Points = shares }
            }).Entity;
            var mark = PlanMarks.At(bed, z.Peg);
            db.Pegs.Add(new Peg {
                BedId = r.BedId!.Value, Name = $"{name} peg", Zone = zone, MarkEast = mark?.East, MarkNorth = mark?.North
            });
        }

        await db.SaveChangesAsync();
        return Writes.Done(new Kept(read.Zones.Count));
    });

    private static async Task<(Read? Read, Refusal? Wrong)> Of(YieldRequest r, HoldingDb db)
    {
        if (await db.Beds.AsNoTracking().FirstOrDefaultAsync(b => b.Id == r.BedId) is not { } bed)
        {
            return (null, Refusal.Of("bedId", "No bed was chosen.", "Choose the bed that the map is of."));
        }

        var (features, unread) = Features(r.GeoJson);
        if (features is null)
        {
            return (null, unread);
        }

        List<string> properties = [.. features.SelectMany(f => f.Attributes?.GetNames() ?? []).Distinct().Where(n =>
            features.Any(f => Figure(f, n) is not null)).Take(40)];
        var property = r.Property is { Length: > 0 } asked ? asked : properties.FirstOrDefault() ?? "";
        if (!properties.Contains(property))
        {
            return (null, Refusal.Of("property", properties.Count == 0 ? "There is no figure in it."
                : $"“{(property.Length > 40 ? property[..40] : property)}” is no figure of this file.", properties.Count == 0 ? WayOut
                    : $"Choose {Say.Any([.. properties.Take(6)])}."));
        }

        List<(Corner At, double Yield)> found = [.. features.Where(f => f.Geometry is { IsEmpty: false }).Select(f =>
            (new Corner(f.Geometry.Centroid.X, f.Geometry.Centroid.Y), Figure(f, property))).Where(f => f.Item2 is not null)
            .Select(f => (f.Item1, f.Item2!.Value))];
        if (found.Count == 0)
        {
            return (null, Refusal.Of("geoJson", "No point of it has that figure.", WayOut));
        }

        var (shares, beside) = Shares([.. found.Select(f => f.At)], GeoEndpoints.Outline(bed.ShapeJson));
        if (beside)
        {
            return (null, Refusal.Of("bedId", "That map does not lie on this bed.", "Choose the bed that it is of, or look at its "
                + "longitudes and latitudes."));
        }

        var drawn = await LookDesk.Drawn(db);
        List<YieldAt> map = [.. shares.Select((s, i) => new YieldAt(PlanMarks.Where(drawn, new PlanMark(bed.Id, s.X, s.Y))
            ?? new PlanPoint(s.X, s.Y), found[i].Yield))];
        var zones = YieldZones.Of(map, r.Zones ?? 2);
        return zones.Refused is { } no ? (null, new Refusal([.. no.Problems.Select(p => p.Field == "map" ? p with { Field = "geoJson" }
            : p)]))
            : (new Read(properties, property, map, zones.Value, shares, drawn), null);
    }

    /// <summary>Where points lie in the box about the bed; about the map itself where the bed was never surveyed.</summary>
    private static (List<PlanPoint> Shares, bool Beside) Shares(IReadOnlyList<Corner> points, IReadOnlyList<Corner>? outline)
    {
        var box = outline ?? points;
        var (west, south) = (box.Min(c => c.Longitude), box.Min(c => c.Latitude));
        var (wide, tall) = (Math.Max(box.Max(c => c.Longitude) - west, 1e-9), Math.Max(box.Max(c => c.Latitude) - south, 1e-9));
        List<PlanPoint> shares = [.. points.Select(c => new PlanPoint((c.Longitude - west) / wide, (c.Latitude - south) / tall))];
        return (shares, shares.Any(s => s.X is < -Beside or > 1 + Beside || s.Y is < -Beside or > 1 + Beside));
    }

    private static double? Figure(IFeature f, string name)
    {
        var said = f.Attributes?.GetOptionalValue(name);
        return said is IConvertible and not string and not bool && Convert.ToDouble(said, CultureInfo.InvariantCulture) is var figure
            && double.IsFinite(figure) ? figure : null;
    }

    private static (FeatureCollection? Features, Refusal? Wrong) Features(string? text)
    {
        if (text is not { Length: > 0 and < 20_000_000 })
        {
            return (null, Refusal.Of("geoJson", "There is nothing in it, or more than 20 MB.", WayOut));
        }

        try
        {
            var read = JsonSerializer.Deserialize<FeatureCollection>(text, GeoEndpoints.Geo);
            return read is { Count: > 0 } ? (read, null) : (null, Refusal.Of("geoJson", "There is nothing in it.", WayOut));
        }
        catch (Exception e) when (GeoEndpoints.Unreadable(e))
        {
            return (null, Refusal.Of("geoJson", "That is no GeoJSON.", WayOut));
        }
    }
}
