using Microsoft.EntityFrameworkCore;
using MudPie.Core.Judging;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Judging;
using MudPie.Server.Web;

namespace MudPie.Server.Judging;

/// <summary>A set of readings, as typed: "9.1 8.8 9.4".</summary>
public sealed record BrixRequest
{
    public int? BedId { get; init; }

    public int? ApplicationId { get; init; }

    public string? Readings { get; init; }

    public string? Temperature { get; init; }

    public bool MeterCorrects { get; init; }

    public string? LeafPosition { get; init; }

    public string? Sky { get; init; }

    public int? MeterId { get; init; }

    public string? Stage { get; init; }

    public string? Stress { get; init; }

    /// <summary>The weed that was read instead of the crop.</summary>
    public string? Weed { get; init; }

    /// <summary>A <see cref="LeafPair"/> by its word, where it is one half of a pair.</summary>
    public string? PairKind { get; init; }

    /// <summary>The other half, read before.</summary>
    public int? PairWithId { get; init; }

    public bool SamePlants { get; init; }

    /// <summary>The visit that this one puts right.</summary>
    public int? CorrectsId { get; init; }

    public DateTimeOffset? At { get; init; }
}

/// <summary>One set, read back.</summary>
public sealed record BrixVisitView(int Id, DateTimeOffset At, LeafPosition LeafPosition, Sky Sky, bool MeterCorrects, double? TemperatureC,
    IReadOnlyList<double> AsRead, IReadOnlyList<double> At20, BrixValue Value, int Dry, string? Weed, CropStage? Stage, string? Stress,
    string? Meter, int? CorrectsId);

/// <summary>A set worked out before it is kept, and what it says against the set before the spray.</summary>
public sealed record BrixWorkOut(IReadOnlyList<double> AsRead, IReadOnlyList<double> At20, BrixValue Value, string Advice,
    Worked<BrixDifference>? Difference);

/// <summary>A bed with a spray on it and the readings around that.</summary>
public sealed record BrixPair(
    int ApplicationId, int? BatchId, string Batch, int BedId, string Bed, string Crop, DateTimeOffset SprayedAt, string Dilution,
    BrixVisitView? Before, BrixVisitView? After, Worked<BrixDifference>? Difference, string Wants)
{
    /// <summary>Was it the water? What fell and was given between the two readings.</summary>
    public string? Water { get; init; }
}

/// <summary>A bed's own history of brix.</summary>
public sealed record BrixHistory(int BedId, string Bed, string Crop, IReadOnlyList<BrixVisitView> Visits);

/// <summary>The leaves.</summary>
public sealed record BrixView(IReadOnlyList<BrixPair> Pairs, IReadOnlyList<BrixHistory> Beds);

/// <summary>Reading the leaves.</summary>
public static class BrixEndpoints
{
    /// <summary>What can be done.</summary>
    public static void MapBrix(this IEndpointRouteBuilder api)
    {
        api.MapGet("/judge/brix", Read).ForVisitor("Readings of leaves, with what is due.");
        api.MapPost("/judge/brix/work-out", WorkOut).ForVisitor("A visit's readings, corrected and compared.");
        api.MapPost("/judge/brix", Keep).ForHand("Keeps a visit's readings.");
    }

    /// <summary>Sprays of the last 60 days, a row a bed, newest first.</summary>
    public static async Task<List<BrixPair>> Pairs(HoldingDb db, HoldingClock clock)
    {
        var since = clock.Now.AddDays(-60);
        var local = await clock.Local();
        var sprays = (await db.Applications.ThatStand().AsNoTracking().Where(a => a.At > since && a.Purpose == Purpose.Leaf)
            .OrderByDescending(a => a.At).Take(60)
                .Select(a => new {
                    a.Id, a.BatchId, Batch = a.Batch == null ? a.Items.Select(i => i.Name).FirstOrDefault()
                    ?? "a spray" : a.Batch.Name, a.At, a.Dilution, Beds = a.Beds.Select(b => new { b.BedId, b.Bed.Name, b.Bed.Crop })
                        .ToList()
                }).ToListAsync())
            .SelectMany(a => a.Beds.Select(b => new { a.Id, a.BatchId, a.Batch, b.BedId, Bed = b.Name, b.Crop, a.At, a.Dilution }))
            .ToList();
        var bedIds = sprays.Select(s => s.BedId).Distinct().ToList();
        var visits = (await db.BrixVisits.ThatStand().AsNoTracking().Include(v => v.Readings).Where(v => bedIds.Contains(v.BedId)
            && v.At > since.AddDays(-10) && v.Weed == null && v.Readings.Count > 0).ToListAsync()).ToLookup(v => v.BedId);
        var water = new Dictionary<int, WaterBook>();
        foreach (var bed in bedIds)
        {
            water[bed] = await WaterBook.Of(db, clock, bed, since.AddDays(-10), clock.Now);
        }

        return [.. sprays.Select(s =>
        {
            var before = visits[s.BedId].Where(v => v.At <= s.At && v.At > s.At.AddDays(-5)).MaxBy(v => v.At);
            var after = visits[s.BedId].Where(v => v.At > s.At.AddHours(12) && v.At < s.At.AddDays(10)).MinBy(v => v.At);
            return new BrixPair(s.Id, s.BatchId, s.Batch, s.BedId, s.Bed, s.Crop, s.At, s.Dilution, BrixViews.View(before),
                BrixViews.View(after),
                before is not null && after is not null
                    ? BrixReadings.Compare(BrixViews.Set(before, local), BrixViews.Set(after, local)) : null,
                Wants(s.At, before, after, clock.Now)) {
                Water = before is not null && after is not null ? water[s.BedId].Between(before.At, after.At).Sentence : null
            };
        })];
    }

    private static async Task<Ok<BrixView>> Read(HoldingDb db, HoldingClock clock)
    {
        var since = clock.Now.AddMonths(-18);
        var visits = await db.BrixVisits.ThatStand().AsNoTracking().Include(v => v.Readings).Where(v => v.At > since)
            .OrderByDescending(v => v.At).Take(400)
            .Select(v => new { v.BedId, Bed = v.Bed.Name, v.Bed.Crop, Visit = v }).ToListAsync();
        var beds = visits.GroupBy(v => v.BedId)
            .Select(g => new BrixHistory(g.Key, g.First().Bed, g.First().Crop,
                [.. g.Take(60).Select(v => BrixViews.View(v.Visit)!).Reverse()]))
            .ToList();
        return TypedResults.Ok(new BrixView(await Pairs(db, clock), beds));
    }

    private static async Task<Results<Ok<BrixWorkOut>, Refused>> WorkOut(BrixRequest r, HoldingDb db, HoldingClock clock)
    {
        var fields = new TypedFields(await clock.Units());
        var visit = await Typed(r, fields, db, clock);
        if (!fields.Checks.Sound)
        {
            return Problems.Of(fields.Checks.Refusal);
        }

        var local = await clock.Local();
        var before = await Before(r, visit, db);
        var value = BrixReadings.Value([.. visit.Readings.Select(x => x.At20)]);
        var unzeroed = visit.MeterId is { } used && !await db.BrixMeters.AnyAsync(x => x.Id == used
            && x.Zeroes.Any(z => z.At > clock.Now.AddDays(-7))) ? " This meter was not zeroed in the last week: clean water first." : "";
        var dry = visit.Dry > 0 ? $" {visit.Dry} dry: warm the leaves, or take more; dry is a reading too." : "";
        var advice = value.Count == 0 ? "No juice at all: that is kept too." : value.Count < 3
            ? $"{value.Count} of three to five: one squeeze is noise, leaves differ by 0.5 to 1 °Bx."
            : $"{Say.Fixed(value.Mean, 1)} °Bx at 20 °C, give or take {Say.Fixed((value.High95!.Value - value.Low95!.Value) / 2, 1)}.";
        advice += dry + unzeroed;
        return TypedResults.Ok(new BrixWorkOut(
            [.. visit.Readings.Select(x => x.AsRead)], [.. visit.Readings.Select(x => x.At20)], value, advice,
            before is null ? null : BrixReadings.Compare(BrixViews.Set(before, local), BrixViews.Set(visit, local))));
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Keep(BrixRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var visit = await Typed(r, fields, db, clock);
        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        db.BrixVisits.Add(visit);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(visit.Id));
    });

    private static async Task<BrixVisit?> Before(BrixRequest r, BrixVisit visit, HoldingDb db)
    {
        var sprayed = await db.Applications.Where(a => a.Id == r.ApplicationId).Select(a => (DateTimeOffset?)a.At).FirstOrDefaultAsync();
        if (sprayed is not { } at || visit.At < at)
        {
            return null;
        }

        var from = at.AddDays(-5);
        return await db.BrixVisits.ThatStand().AsNoTracking().Include(v => v.Readings).Where(v => v.BedId == visit.BedId && v.At <= at
            && v.At > from && v.Weed == null && v.Readings.Count > 0).OrderByDescending(v => v.At).FirstOrDefaultAsync();
    }

    private static async Task<BrixVisit> Typed(BrixRequest r, TypedFields fields, HoldingDb db, HoldingClock clock)
    {
        var meter = r.MeterId is { } m ? await db.BrixMeters.AsNoTracking().FirstOrDefaultAsync(x => x.Id == m) : null;
        if (r.MeterId is not null && meter is null)
        {
            fields.Checks.Add("meterId", "That meter is not there.", "Choose one from the list.");
        }

        await CheckRead(r, fields, db);
        var corrects = meter?.Corrects ?? r.MeterCorrects;
        var temperature = corrects ? (double?)null : fields.Quantity("temperature", r.Temperature, Dimension.Temperature, 10, 30,
            "Outside that the correction table says nothing: let the meter come indoors for ten minutes and read again.");
        var visit = new BrixVisit {
            BedId = r.BedId ?? 0,
            ApplicationId = r.ApplicationId,
            At = fields.Past("at", r.At, clock.Now),
            RecordedAt = clock.Now,
            MeterCorrects = corrects,
            TemperatureC = temperature,
            MeterId = meter?.Id,
            Crop = await PlantingBook.CropAt(db, r.BedId, r.At ?? clock.Now),
            Stage = r.Stage is null ? null : fields.OneOf<CropStage>("stage", r.Stage),
            Stress = Short("stress", r.Stress, fields.Checks),
            Weed = Short("weed", r.Weed, fields.Checks),
            Dry = BrixTyped.Dry(r.Readings),
            PairKind = r.PairKind is null ? null : fields.OneOf<LeafPair>("pairKind", r.PairKind),
            PairWithId = r.PairWithId,
            SamePlants = r.SamePlants,
            CorrectsId = r.CorrectsId,
            LeafPosition = fields.OneOf<LeafPosition>("leafPosition", r.LeafPosition),
            Sky = fields.OneOf<Sky>("sky", r.Sky),
        };
        foreach (var read in BrixTyped.Numbers(r.Readings, fields.Checks))
        {
            if (corrects)
            {
                visit.Readings.Add(new BrixReading { AsRead = read, At20 = read });
            }
            else if (temperature is >= 10)
            {
                BrixCorrection.To20(read, temperature).Match(
                    w =>
                    {
                        visit.Readings.Add(new BrixReading { AsRead = read, At20 = w.Value.Value });
                        return true;
                    },
                    _ => false);
            }
        }

        return visit;
    }

    private static async Task CheckRead(BrixRequest r, TypedFields fields, HoldingDb db)
    {
        var pair = Words.Read<LeafPair>(r.PairKind);
        if (!await db.Beds.AnyAsync(b => b.Id == r.BedId))
        {
            fields.Checks.Add("bedId", "No bed was chosen.", "Choose the bed whose leaves you read.");
        }

        if (r.ApplicationId is not null && !await db.Applications.AnyAsync(a => a.Id == r.ApplicationId))
        {
            fields.Checks.Add("applicationId", "That spray is not there.", "Choose one from the list.");
        }

        if (r.PairWithId is { } with && !await db.BrixVisits.AnyAsync(v => v.Id == with && v.BedId == r.BedId && v.PairKind == pair))
        {
            fields.Checks.Add("pairWithId", "The first half of that pair is not there.", "Read both halves on one bed.");
        }

        // A weed is held against the crop's own leaf of the same place, never against an older one.
        if (pair == LeafPair.WeedCrop && r.PairWithId is { } half && await db.BrixVisits.Where(v => v.Id == half)
            .Select(v => (LeafPosition?)v.LeafPosition).FirstOrDefaultAsync() is { } leaf
            && leaf != Words.Read<LeafPosition>(r.LeafPosition))
        {
            fields.Checks.Add("leafPosition", $"The first half was read on the {leaf.Word()} leaf.",
                $"Read the {leaf.Word()} leaf here too: weed and crop are held against each other leaf by leaf.");
        }

        if (r.CorrectsId is { } wrong && !await db.BrixVisits.ThatStand().AnyAsync(v => v.Id == wrong && v.BedId == r.BedId))
        {
            fields.Checks.Add("correctsId", "That reading is not there, or was put right already.", "Open the bed again.");
        }
    }

    private static string? Short(string field, string? typed, Checks checks)
    {
        if (typed?.Length > 60)
        {
            checks.Add(field, "That is too long.", "Use up to 60 letters.");
        }

        return string.IsNullOrWhiteSpace(typed) ? null : typed.Trim();
    }

    private static string Wants(DateTimeOffset sprayed, BrixVisit? before, BrixVisit? after, DateTimeOffset now) => (before, after) switch {
        (null, null) when now < sprayed.AddHours(12) => "no reading before it; read after one to three days all the same",
        (_, null) when now < sprayed.AddDays(1) => $"read again from tomorrow on",
        (_, null) when now < sprayed.AddDays(10) => "due now: one to three days after",
        (_, null) => "never read again",
        (null, _) => "no reading before it: nothing to compare with",
        _ => "",
    };
}
