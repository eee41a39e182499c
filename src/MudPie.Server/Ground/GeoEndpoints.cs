using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Ground;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Ground;
using MudPie.Server.Web;
using NetTopologySuite.Features;
using NetTopologySuite.Geometries;
using NetTopologySuite.IO.Converters;
using Dimension = MudPie.Core.Measures.Dimension;

namespace MudPie.Server.Ground;

/// <summary>A GeoJSON file as text.</summary>
public sealed record GeoRequest(string? GeoJson);

/// <summary>What a feature would do.</summary>
/// <param name="Name">Its name.</param>
/// <param name="BedId">The bed that it is; null for a new one.</param>
/// <param name="AreaShown">Area by its outline.</param>
/// <param name="KeptShown">Area as the bed has it now; null for a new one.</param>
/// <param name="Says">What will happen.</param>
public sealed record GeoFeature(string Name, int? BedId, string AreaShown, string? KeptShown, string Says);

/// <summary>A file looked at before anything is kept.</summary>
public sealed record GeoPreview(IReadOnlyList<GeoFeature> Features);

/// <summary>A bed on the plan with what runs on it.</summary>
public sealed record PlanBedView(int Id, string Name, string Crop, string AreaShown, IReadOnlyList<PlanPoint> Points, bool Surveyed,
    string? Wait, Life? Life, double AreaM2, IReadOnlyList<KnownLine> Known);

/// <summary>The plan of the ground.</summary>
public sealed record GroundPlanView(double WidthM, double HeightM, double ScaleBarM, string ScaleBarShown, IReadOnlyList<PlanBedView> Beds,
    IReadOnlyList<PlanMarkView> Marks, IReadOnlyList<WorkingLine> Working, Evidence Sure);

/// <summary>Something that is marked on the plan.</summary>
/// <param name="Id">"buried-3".</param>
/// <param name="Kind">"buried" or "peg".</param>
/// <param name="Name">What it is called.</param>
/// <param name="X">m east of the plan's corner.</param>
/// <param name="Y">m north of it.</param>
/// <param name="Link">Its page.</param>
/// <param name="BedId">The bed that it is in, or near.</param>
public sealed record PlanMarkView(string Id, string Kind, string Name, double X, double Y, string Link, int BedId);

/// <summary>The ground as GeoJSON, in and out, and drawn to scale.</summary>
public static class GeoEndpoints
{
    internal static readonly JsonSerializerOptions Geo = new() {
        Converters = { new GeoJsonConverterFactory() },
        ReadCommentHandling = JsonCommentHandling.Skip
    };

    /// <summary>What can be done.</summary>
    public static void MapGeo(this IEndpointRouteBuilder api)
    {
        api.MapGet("/ground/plan", Plan).ForVisitor("The ground to scale.");
        api.MapGet("/ground/beds.geojson", Out).ForVisitor("Beds as GeoJSON.");
        api.MapPost("/ground/geojson/preview", Preview).ForVisitor("What a map file would bring.");
        api.MapPost("/ground/geojson", Bring).ForHand("Brings beds in from a map file.");
    }

    private const int MostCorners = 1000;

    internal static IReadOnlyList<Corner>? Outline(string? json) =>
        Shape(json) is { } g && Biggest(g) is { IsEmpty: false } shape
            ? [.. shape.ExteriorRing.Coordinates.Select(c => new Corner(c.X, c.Y))] : null;

    /// <summary>An outline as it is kept; null where there is none, or none that can be read.</summary>
    private static Geometry? Shape(string? json)
    {
        try
        {
            return json is null ? null : JsonSerializer.Deserialize<Geometry>(json, Geo);
        }
        catch (Exception e) when (Unreadable(e))
        {
            return null; // the bed is drawn by its area, as one that was never surveyed
        }
    }

    internal static bool Unreadable(Exception e) => e is JsonException or ArgumentException or NotSupportedException
        or InvalidOperationException or IndexOutOfRangeException or NullReferenceException or InvalidCastException or OverflowException
        or FormatException;

    private static async Task<Ok<GroundPlanView>> Plan(HoldingDb db, HoldingClock clock)
    {
        var units = await clock.Units();
        var local = await clock.Local();
        var beds = await db.Beds.AsNoTracking().OrderBy(b => b.Id).Take(500).ToListAsync();
        var waits = (await Book.Waits.Running(db, clock.Now)).ToDictionary(w => w.BedId,
            w => $"no harvest before {Say.Date(local(w.Until))}");
        var lives = await Lives.Of(db, clock.Now);
        var known = await GroundKnown.Of(db, units, lives);
        var plan = Drawn(beds);
        return TypedResults.Ok(new GroundPlanView(
            plan.Value.WidthM, plan.Value.HeightM, plan.Value.ScaleBarM, Units.Show(plan.Value.ScaleBarM, Dimension.Length, units),
            [.. plan.Value.Beds.Select(d => new PlanBedView(d.Id, d.Name, beds.First(b => b.Id == d.Id).Crop,
                Units.Show(d.AreaM2, Dimension.Area, units), d.Points, d.Surveyed, waits.GetValueOrDefault(d.Id),
                lives.GetValueOrDefault(d.Id)?.Life, d.AreaM2, known[d.Id]))],
            await Marks(db, plan.Value.Beds), plan.Working, plan.Sure));
    }

    /// <summary>The ground drawn, as every mark on it is measured.</summary>
    internal static Worked<GroundPlanAnswer> Drawn(IReadOnlyList<Bed> beds) =>
        GroundPlan.Of([.. beds.Select(b => new BedOutline(b.Id, b.Name, b.AreaM2, Outline(b.ShapeJson)))]).Worked;

    /// <summary>What lies buried, and pegs.</summary>
    private static async Task<List<PlanMarkView>> Marks(HoldingDb db, IReadOnlyList<BedDrawn> beds)
    {
        var log = db.WorkLog.ThatStand();
        var buried = await db.Works.AsNoTracking().Where(w => w.MarkEast != null && w.BedId != null
                && log.Any(e => e.WorkId == w.Id && e.Step == WorkStep.Buried) && !log.Any(e => e.WorkId == w.Id
                    && e.Step == WorkStep.Lifted))
            .OrderBy(w => w.Id).Take(60).Select(w => new {
                w.Id, w.Name, Bed = w.BedId!.Value, East = w.MarkEast!.Value,
                North = w.MarkNorth ?? 0
            })
            .ToListAsync();
        var pegs = await db.Pegs.AsNoTracking().Where(p => p.EndedAt == null && p.MarkEast != null).OrderBy(p => p.Id).Take(200)
            .Select(p => new { p.Id, p.Name, Bed = p.BedId, East = p.MarkEast!.Value, North = p.MarkNorth ?? 0 }).ToListAsync();
        return [.. buried.Select(b => (Kind: "buried", b.Id, b.Name, Link: $"/make/prep/{b.Id}", Mark: new PlanMark(b.Bed, b.East,
                b.North)))
            .Concat(pegs.Select(p => (Kind: "peg", p.Id, p.Name, Link: $"/look/pegs/{p.Id}", Mark: new PlanMark(p.Bed, p.East, p.North))))
            .Select(m => (m, At: PlanMarks.Where(beds, m.Mark))).Where(x => x.At is not null)
            .Select(x => new PlanMarkView($"{x.m.Kind}-{x.m.Id}", x.m.Kind, x.m.Name, x.At!.X, x.At.Y, x.m.Link,
                x.m.Mark.BedId))];
    }

    private static async Task<ContentHttpResult> Out(HoldingDb db)
    {
        var features = new FeatureCollection();
        foreach (var b in await db.Beds.AsNoTracking().OrderBy(b => b.Id).ToListAsync())
        {
            features.Add(new Feature(Shape(b.ShapeJson), new AttributesTable { { "name", b.Name }, { "crop", b.Crop },
                { "growing", b.Growing }, { "areaM2", b.AreaM2 }, { "soilPh", b.SoilPh } }));
        }

        return TypedResults.Text(JsonSerializer.Serialize(features, Geo), "application/geo+json");
    }

    private static async Task<Results<Ok<GeoPreview>, Refused>> Preview(GeoRequest r, HoldingDb db, HoldingClock clock)
    {
        var units = await clock.Units();
        var (features, refused) = await Read(r, db);
        return features is null ? Problems.Of(refused!) : TypedResults.Ok(new GeoPreview([.. features.Select(f => new GeoFeature(
            f.Name, f.Bed?.Id, Units.Show(f.AreaM2, Dimension.Area, units), f.Bed is null
                ? null : Units.Show(f.Bed.AreaM2, Dimension.Area, units), Says(f)))]));
    }

    private static string Says(Found f) => f.Bed is null ? "a new bed"
        : Math.Abs(f.AreaM2 - f.Bed.AreaM2) > 0.1 * f.Bed.AreaM2
        ? $"its outline; by it the bed is {Say.Number(f.AreaM2 / f.Bed.AreaM2 * 100, 3)} % of the area that is kept, which stays: look "
            + "which is right" : "its outline; the area agrees";

    private static Task<Results<Written<Kept>, Refused, Clash>> Bring(GeoRequest r, HoldingDb db, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var (features, refused) = await Read(r, db);
        if (features is null)
        {
            return refused!;
        }

        foreach (var f in features)
        {
            var bed = f.Bed ?? new Bed {
                Name = f.Name, AreaM2 = f.AreaM2, AreaTyped = $"{Say.Number(f.AreaM2, 4)} m²",
                Crop = f.Crop ?? Bed.Nothing, Growing = "annual"
            };
            bed.ShapeJson = JsonSerializer.Serialize(f.Shape, Geo);
            if (f.Bed is null)
            {
                db.Beds.Add(bed);
            }
        }

        await db.SaveChangesAsync();
        return Writes.Done(new Kept(features.Count));
    });

    private sealed record Found(string Name, string? Crop, Polygon Shape, double AreaM2, Bed? Bed);

    private static async Task<(List<Found>? Features, Refusal? Refused)> Read(GeoRequest r, HoldingDb db)
    {
        if (r.GeoJson is not { Length: > 0 and < 5_000_000 })
        {
            return (null, Refusal.Of("geoJson", "There is nothing in it, or more than 5 MB.", WayOut));
        }

        FeatureCollection? read;
        try
        {
            read = JsonSerializer.Deserialize<FeatureCollection>(r.GeoJson, Geo);
        }
        catch (Exception e) when (Unreadable(e))
        {
            return (null, Refusal.Of("geoJson", "That is no GeoJSON.", WayOut));
        }

        var beds = (await db.Beds.OrderBy(b => b.Id).ToListAsync()).GroupBy(b => b.Name, StringComparer.OrdinalIgnoreCase)
            .ToDictionary(g => g.Key, g => g.First(), StringComparer.OrdinalIgnoreCase);
        var named = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
        var (checks, list) = (new Checks(), new List<Found>());
        foreach (var (f, i) in (read ?? []).Select((f, i) => (f, i)))
        {
            var name = f.Attributes?.GetOptionalValue("name")?.ToString()?.Trim();
            if (f.Geometry is null)
            {
                continue; // a bed that was given out without an outline
            }

            var shape = Biggest(f.Geometry);
            var crop = f.Attributes?.GetOptionalValue("crop")?.ToString();
            var area = shape is null || shape.IsEmpty ? 0
                : GroundPlan.AreaM2([.. shape.ExteriorRing.Coordinates.Select(c => new Corner(c.X, c.Y))]);
            if (Wrong(name, crop, shape, area, named) is { } wrong)
            {
                checks.Add($"features[{i}]", wrong.Wrong, wrong.WayOut);
            }
            else
            {
                list.Add(new Found(name!, crop, shape!, area, beds.GetValueOrDefault(name!)));
            }
        }

        if (checks.Sound && list.Count is 0 or > 500)
        {
            checks.Add("geoJson", list.Count == 0 ? "There is no outline in it." : "That is more than 500.", WayOut);
        }

        return checks.Sound ? (list, null) : (null, checks.Refusal);
    }

    private const string WayOut = "Bring a FeatureCollection of polygons in longitude and latitude, each with a property name.";

    private static (string Wrong, string WayOut)? Wrong(string? name, string? crop, Polygon? shape, double area, HashSet<string> named) =>
        Names.Wrong(name) is { } nameless ? (nameless, WayOut)
        : crop is not null && Names.Wrong(crop) is not null
        ? ($"What grows on {name} can't be read.", "Give crop up to 60 letters, or leave it out.")
        : !named.Add(name!) ? ($"There are two outlines of {name}.", "Give each bed once; capitals do not tell two apart.")
        : shape is { NumPoints: > MostCorners }
        ? ($"The outline of {name} has more than {MostCorners} corners.", "Simplify it: a bed is drawn with a few dozen.")
        : shape is null || shape.IsEmpty || !shape.IsValid || shape.Coordinates.Any(c => Math.Abs(c.X) > 180 || Math.Abs(c.Y) > 90)
        ? ($"The outline of {name} crosses itself, or is not on the earth.", WayOut)
        : area is >= 0.1 and <= 1_000_000 ? null : ($"{name} would be {Say.Number(area)} m².", "A bed has 0.1 m² to 100 ha.");

    private static Polygon? Biggest(Geometry g) =>
        g switch { Polygon p => p, MultiPolygon m => m.Geometries.OfType<Polygon>().MaxBy(p => p.Area), _ => null };
}
