using Microsoft.EntityFrameworkCore;
using MudPie.Core.Judging;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Judging;
using MudPie.Server.Web;

namespace MudPie.Server.Judging;

/// <summary>A meter as it is typed.</summary>
public sealed record MeterRequest(string? Name, string? Kind, bool Corrects);

/// <summary>A zeroing as it is typed.</summary>
public sealed record ZeroRequest(string? Showed, string? Note, DateTimeOffset? At = null);

/// <summary>A meter with its last zeroings.</summary>
public sealed record MeterView(int Id, string Name, string Kind, bool Corrects, DateTimeOffset? ZeroedAt, string Says,
    IReadOnlyList<ZeroView> Zeroes);

/// <summary>One zeroing.</summary>
public sealed record ZeroView(DateTimeOffset At, double Showed, string? Note);


/// <summary>Something put on a bed.</summary>
public sealed record BrixApplied(DateTimeOffset At, string What, Purpose Purpose);

/// <summary>A guided pair, told.</summary>
public sealed record BrixGuided(LeafPair? Kind, BrixVisitView First, BrixVisitView Second, Worked<BrixDifference> Difference);

/// <summary>A first half that waits for its second.</summary>
public sealed record BrixHalf(int VisitId, LeafPair Kind, DateTimeOffset At, LeafPosition LeafPosition, string? Weed, string Wants);

/// <summary>One bed's leaves: its past, where they stand, what they hint at, and what was put out under them.</summary>
public sealed record BrixBedView(
    int BedId, string Bed, string Crop, IReadOnlyList<BrixVisitView> Visits, Worked<BrixStanding>? Standing, double? Noise,
    IReadOnlyList<BrixHint> Hints, IReadOnlyList<BrixApplied> Applied, IReadOnlyList<BrixGuided> Pairs, IReadOnlyList<BrixHalf> Waiting,
    IReadOnlyList<PestView> Pests, Worked<HoldAnswer>? Hold, IReadOnlyList<BrixVisitView> PutRight);

/// <summary>A bed's leaves, meters and pests.</summary>
public static class BrixBedEndpoints
{
    /// <summary>What can be done.</summary>
    public static void MapBrixBeds(this IEndpointRouteBuilder api)
    {
        api.MapGet("/judge/brix/bed/{id:int}", Bed).ForVisitor("Brix of a bed over time, beside pests and jobs.");
        api.MapPests();
        api.MapGet("/judge/meters", Meters).ForVisitor("Meters and when they were last set to zero.");
        api.MapPost("/judge/meters", AddMeter).ForHand("Keeps a meter.");
        api.MapPost("/judge/meters/{id:int}/zero", Zero).ForHand("A meter read in clean water.");
    }

    private static async Task<Results<Ok<BrixBedView>, Missing>> Bed(int id, HoldingDb db, HoldingClock clock)
    {
        if (await db.Beds.AsNoTracking().Where(b => b.Id == id).Select(b => new { b.Name, b.Crop }).FirstOrDefaultAsync() is not { } bed)
        {
            return Problems.NotFound("bed");
        }

        var (since, local) = (clock.Now.AddMonths(-18), await clock.Local());
        var visits = await db.BrixVisits.ThatStand().AsNoTracking().Include(v => v.Readings).Where(v => v.BedId == id && v.At > since)
            .OrderBy(v => v.At).ToListAsync();
        var putRight = await db.BrixVisits.AsNoTracking().Include(v => v.Readings).Where(v => v.BedId == id && v.At > since
            && db.BrixVisits.Any(c => c.CorrectsId == v.Id)).OrderByDescending(v => v.At).Take(40).ToListAsync();
        var crop = visits.Where(v => v.Weed is null && v.Readings.Count > 0).ToList();
        var (standing, read) = await Stands(crop, bed.Crop, db, local);
        var hints = BrixHints.Of([.. visits.Where(v => v.At > clock.Now.AddDays(-60))
            .Select(v => new HintVisit { At = local(v.At), Leaf = v.LeafPosition, Sky = v.Sky, Weed = v.Weed is not null,
                At20 = [.. v.Readings.Select(r => r.At20)] })], bed.Crop);
        var applied = await db.Applications.ThatStand().AsNoTracking().Where(a => a.At > since && a.Beds.Any(b => b.BedId == id))
            .OrderBy(a => a.At)
            .Select(a => new {
                a.At, a.Purpose, Batch = a.Batch == null ? null : a.Batch.Name, Items = a.Items.Select(i => i.Name)
                .ToList()
            }).ToListAsync();
        var (pests, hold) = await PestDesk.Of(id, db, clock, read);
        return TypedResults.Ok(new BrixBedView(
            id, bed.Name, bed.Crop, [.. visits.Select(v => BrixViews.View(v)!)], standing, Noise(crop), hints,
            [.. applied.Select(a => new BrixApplied(a.At, string.Join(", ", new[] { a.Batch }.Concat(a.Items.Distinct()).OfType<string>()),
                a.Purpose))],
            [.. Guided(visits, local)], [.. Waiting(visits, clock.Now)],
            pests, hold,
            [.. putRight.Select(v => BrixViews.View(v)!)]));
    }

    /// <summary>Where the leaves of a bed stand by its last visit; and the same for what is decided by them, where enough were
    /// read.</summary>
    private static async Task<(Worked<BrixStanding>? Standing, (bool Good, string Says)? Read)> Stands(IReadOnlyList<BrixVisit> crop,
        string name, HoldingDb db, Func<DateTimeOffset, DateTimeOffset> local)
    {
        if (crop.LastOrDefault() is not { } last)
        {
            return (null, null);
        }

        var school = await db.ForkChoices.Where(f => f.ForkId == "brix-line").Select(f => f.SchoolId).FirstOrDefaultAsync() ?? "own";
        var standing = BrixBands.Stand(Mean(last), name, [.. crop.Where(v => v != last && Like(v, last, local)).Select(Mean)], school,
            last.Readings.Count);
        return (standing, last.Readings.Count >= BrixBands.FewestLeaves ? (standing.Value.Good, standing.Value.Sentence) : null);
    }

    /// <summary>How a bed's leaves stand, for what is decided by them; null where too few were read.</summary>
    internal static async Task<(bool Good, string Says)?> Leaves(int bed, HoldingDb db, HoldingClock clock)
    {
        var since = clock.Now.AddMonths(-18);
        var name = await db.Beds.Where(b => b.Id == bed).Select(b => b.Crop).FirstAsync();
        var crop = await db.BrixVisits.ThatStand().AsNoTracking().Include(v => v.Readings)
            .Where(v => v.BedId == bed && v.At > since && v.Weed == null && v.Readings.Count > 0).OrderBy(v => v.At).ToListAsync();
        return (await Stands(crop, name, db, await clock.Local())).Read;
    }

    /// <summary>Whether two visits may be held against each other: the same leaf, a like hour, the same crop.</summary>
    private static bool Like(BrixVisit a, BrixVisit b, Func<DateTimeOffset, DateTimeOffset> local) =>
        a.LeafPosition == b.LeafPosition && string.Equals(a.Crop, b.Crop, StringComparison.OrdinalIgnoreCase)
            && Math.Abs((local(a.At).TimeOfDay - local(b.At).TimeOfDay).TotalHours) <= BrixBands.LikeHours;

    private static double Mean(BrixVisit v) => v.Readings.Average(r => r.At20);

    /// <summary>How far leaves of one visit differ, pooled over visits, °Bx; null below three visits.</summary>
    private static double? Noise(List<BrixVisit> visits)
    {
        var several = visits.Where(v => v.Readings.Count > 1).ToList();
        return several.Count < 3
            ? null : Math.Sqrt(several.Sum(v => v.Readings.Sum(r => Math.Pow(r.At20 - Mean(v), 2)))
                / several.Sum(v => v.Readings.Count - 1));
    }

    private static IEnumerable<BrixGuided> Guided(List<BrixVisit> visits, Func<DateTimeOffset, DateTimeOffset> local)
    {
        foreach (var second in visits.Where(v => v.PairWithId is not null && v.Readings.Count > 0).OrderByDescending(v => v.At).Take(20))
        {
            if (visits.FirstOrDefault(v => v.Id == second.PairWithId) is { Readings.Count: > 0 } first)
            {
                var (a, b) = (BrixViews.Set(first, local), BrixViews.Set(second, local));
                yield return new(second.PairKind, BrixViews.View(first)!, BrixViews.View(second)!, second.SamePlants
                    ? BrixReadings.ComparePlants(a, b) : BrixReadings.Compare(a, b));
            }
        }
    }

    private static IEnumerable<BrixHalf> Waiting(List<BrixVisit> visits, DateTimeOffset now) =>
        visits.Where(v => v.PairKind is not null && v.PairWithId is null && v.At > now.AddHours(-30)
            && visits.All(o => o.PairWithId != v.Id))
            .Select(v => new BrixHalf(v.Id, v.PairKind!.Value, v.At, v.LeafPosition, v.Weed,
                v.PairKind switch {
                    LeafPair.WeedCrop => v.Weed is null ? "now the weed beside it" : "now the crop beside it",
                    LeafPair.TopBottom =>
                    v.LeafPosition == LeafPosition.Top ? "now the bottom leaves" : "now the top leaves",
                    _ => "now the other end of the day"
                }));

    private static async Task<Ok<List<MeterView>>> Meters(HoldingDb db, HoldingClock clock)
    {
        var meters = await db.BrixMeters.AsNoTracking().Include(m => m.Zeroes.OrderByDescending(z => z.At).Take(10)).OrderBy(m => m.Name)
            .ToListAsync();
        return TypedResults.Ok(meters.Select(m => new MeterView(m.Id, m.Name, m.Kind, m.Corrects, m.Zeroes.FirstOrDefault()?.At,
            Says(m, clock.Now), [.. m.Zeroes.Select(z => new ZeroView(z.At, z.Showed, z.Note))])).ToList());
    }

    private static string Says(BrixMeter m, DateTimeOffset now) => m.Zeroes.FirstOrDefault() switch {
        null => "never zeroed: clean water on the glass, and set it to 0",
        { } z when now - z.At > TimeSpan.FromDays(7) => $"zeroed {(now - z.At).Days} days ago: due again",
        { Showed: > 0.4 or < -0.4 } z => $"was off by {Say.Number(z.Showed)} °Bx: readings since the zeroing before may be off by as much",
        _ => "zeroed this week",
    };

    private static Task<Results<Written<Kept>, Refused, Clash>> AddMeter(MeterRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var meter = new BrixMeter {
            Name = fields.Name("name", r.Name, "the meter"),
            Kind = fields.OneOf("kind", r.Kind ?? "optical", "optical", "digital"), Corrects = r.Corrects
        };
        if (await db.BrixMeters.AnyAsync(m => m.Name == meter.Name))
        {
            fields.Checks.Add("name", "There is one of that name.", "Give it another.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        db.BrixMeters.Add(meter);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(meter.Id));
    });

    private static Task<Results<Written<Kept>, Refused, Clash>> Zero(int id, ZeroRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) => writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var showed = fields.Quantity("showed", r.Showed ?? "0", Dimension.Plain, -5, 5, "It is what clean water showed before it was set.");
        var at = fields.Past("at", r.At, clock.Now);
        if (await db.BrixMeters.FirstOrDefaultAsync(m => m.Id == id) is not { } meter)
        {
            return Refusal.Of("id", "That meter is not there.", "Choose one from the list.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        meter.Zeroes.Add(new MeterZero {
            At = at, Showed = showed, Note = string.IsNullOrWhiteSpace(r.Note)
            ? null : r.Note.Trim()[..Math.Min(200, r.Note.Trim().Length)]
        });
        return Writes.Done(new Kept(id));
    });
}
