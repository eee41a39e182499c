using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.PuttingOut;
using MudPie.Server.Web;

namespace MudPie.Server.PuttingOut;

/// <summary>A sprayer as typed.</summary>
public sealed record SprayerRequest
{
    public int? Id { get; init; }

    public Guid? Version { get; init; }

    public string? Name { get; init; }

    public string? Kind { get; init; }

    public string? Tank { get; init; }

    public string? Past { get; init; }

    public string? ClearedWhy { get; init; }

    /// <summary>"200 um" or "75 mesh".</summary>
    public string? Mesh { get; init; }

    /// <summary>bar.</summary>
    public string? Pressure { get; init; }

    /// <summary>"1:100", for an injector.</summary>
    public string? Ratio { get; init; }
}

/// <summary>A measuring, as typed: a nozzle with speed and spacing, a square, or a can by the clock.</summary>
public sealed record CalibrationRequest
{
    public string? Nozzle { get; init; }

    /// <summary>km/h.</summary>
    public string? Speed { get; init; }

    public string? Spacing { get; init; }

    public string? Used { get; init; }

    public string? Square { get; init; }

    public DateTimeOffset? At { get; init; }
}

/// <summary>A watering can by the clock, as typed.</summary>
public sealed record CanRequest(string? Can, string? Seconds, string? Wanted);

/// <summary>A washing up.</summary>
public sealed record WashRequest(int? ApplicationId, string? Note, DateTimeOffset? At);

/// <summary>A measuring kept.</summary>
public sealed record CalibrationView(DateTimeOffset At, string RateShown, double LPerHa, string By);

/// <summary>A sprayer with what it may be used for.</summary>
public sealed record SprayerView
{
    public required int Id { get; init; }

    public required Guid Version { get; init; }

    public required string Name { get; init; }

    public required string Kind { get; init; }

    public required double TankL { get; init; }

    public required string TankShown { get; init; }

    /// <summary>What it holds as it is typed, to the last drop.</summary>
    public required string TankTyped { get; init; }

    public required string Past { get; init; }

    public required string? ClearedWhy { get; init; }

    public required double? MeshUm { get; init; }

    public required string? MeshSays { get; init; }

    public required double? PressureBar { get; init; }

    public required double? Ratio { get; init; }

    public required Worked<SprayerRuling> Ruling { get; init; }

    public required IReadOnlyList<CalibrationView> Calibrations { get; init; }

    public required DateTimeOffset? CalibrationDue { get; init; }

    public required DateTimeOffset? WashedAt { get; init; }

    public required DateTimeOffset? UsedAt { get; init; }

    public required bool ToWash { get; init; }
}

/// <summary>Sprayers: their past, their mesh, their calibration, their washing up.</summary>
public static class SprayerEndpoints
{
    /// <summary>What can be done.</summary>
    public static void MapSprayers(this IEndpointRouteBuilder api)
    {
        api.MapGet("/put-out/sprayers", Read).ForVisitor("Sprayers: past, mesh, calibration, washing up.");
        api.MapPost("/put-out/sprayers", Keep).ForHand("Keeps a sprayer.");
        api.MapPost("/put-out/sprayers/calibrate/work-out", WorkOut).ForVisitor("What a measuring makes of a sprayer.");
        api.MapPost("/put-out/sprayers/{id:int}/calibrate", Calibrate).ForHand("Keeps a calibration.");
        api.MapPost("/put-out/sprayers/{id:int}/wash", Wash).ForHand("It is washed up.");
        api.MapPost("/put-out/can/work-out", Can).ForVisitor("A watering can by the clock.");
    }

    private static async Task<Ok<List<SprayerView>>> Read(HoldingDb db, HoldingClock clock)
    {
        var units = await clock.Units();
        var list = new List<SprayerView>();
        foreach (var s in await db.Sprayers.AsNoTracking().Include(s => s.Calibrations).OrderBy(s => s.Id).Take(100).ToListAsync())
        {
            var (used, washed, toWash) = await Washing.Standing(s.Id, db);
            var last = s.Calibrations.MaxBy(c => c.At);
            list.Add(new SprayerView {
                Id = s.Id,
                Version = s.Version,
                Name = s.Name,
                Kind = s.Kind,
                TankL = s.TankL,
                TankShown = Units.Show(s.TankL, Dimension.Volume, units),
                TankTyped = Units.Typed(s.TankL, Dimension.Volume, units),
                Past = s.Past,
                ClearedWhy = s.ClearedWhy,
                MeshUm = s.MeshUm,
                MeshSays = s.MeshUm is { } um ? Sprayers.MeshSays(um) : null,
                PressureBar = s.PressureBar,
                Ratio = s.Ratio,
                Ruling = Washing.Judged(s, clock.Now, toWash).Worked,
                Calibrations = [.. s.Calibrations.OrderByDescending(c => c.At).Take(12)
                    .Select(c => new CalibrationView(c.At, Per.Large(c.LPerHa, Dimension.Volume, units), c.LPerHa, c.Measured.UsedL is null
                        ? "by a nozzle" : "by a measured square"))],
                CalibrationDue = last?.At.AddDays(Sprayers.CalibrateEveryDays(s.Kind)),
                WashedAt = washed,
                UsedAt = used,
                ToWash = toWash,
            });
        }

        return TypedResults.Ok(list);
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Keep(SprayerRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var sprayer = r.Id is null ? null : await db.Sprayers.FindAsync(r.Id.Value);
        if (r.Id is not null && sprayer is null)
        {
            return Refusal.Of("id", "It is not there any more.", "Load the list again.");
        }

        if (sprayer is null)
        {
            sprayer = new Sprayer { Name = "", Kind = "", Past = "" };
            db.Sprayers.Add(sprayer);
        }

        db.Seen(sprayer, r.Version, fields.Checks);
        sprayer.Name = fields.Name("name", r.Name, "the sprayer");
        sprayer.Kind = fields.OneOf("kind", r.Kind, "knapsack", "can", "boom", "injector", "other");
        sprayer.TankL = fields.Quantity("tank", r.Tank, Dimension.Volume, 0.5, 20_000);
        var past = fields.OneOf("past", r.Past, "new", "biology", "fertiliser", "poison", "unknown");
        if (sprayer.Past is "poison" && past is not "poison" && sprayer.Id != 0)
        {
            fields.Checks.Add("past", "It once held weed-killer or pesticide, and that does not go away.",
                "Leave it so, and write down which local rule or lab clears it.");
        }

        sprayer.Past = past;
        var cleared = (r.ClearedWhy ?? "").Trim();
        if (cleared.Length is > 0 and < 10 or > 300)
        {
            fields.Checks.Add("clearedWhy", "That is no reason.",
                "Say which local rule or lab clears it, in ten to 300 letters; it is kept.");
        }

        if (cleared != (sprayer.ClearedWhy ?? ""))
        {
            (sprayer.ClearedWhy, sprayer.ClearedAt) = cleared.Length > 0 ? ((string?)cleared, (DateTimeOffset?)clock.Now) : (null, null);
        }

        sprayer.MeshUm = Mesh(r.Mesh, fields);
        sprayer.PressureBar = fields.Optional("pressure", r.Pressure, Dimension.Plain, 0, 40);
        sprayer.Ratio = string.IsNullOrWhiteSpace(r.Ratio)
            ? null : fields.Quantity("ratio", r.Ratio.Replace("1:", "", StringComparison.Ordinal), Dimension.Plain, 1, 2000,
                "1:100 is 100.");
        if (await db.Sprayers.AnyAsync(s => s.Name == sprayer.Name && s.Id != sprayer.Id))
        {
            fields.Checks.Add("name", $"There is a “{sprayer.Name}” already.", "Give it another name.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        await db.SaveChangesAsync();
        return Writes.Done(new Kept(sprayer.Id));
    });

    /// <summary>"200 um", "200" or "75 mesh", in µm.</summary>
    private static double? Mesh(string? typed, TypedFields fields)
    {
        var text = (typed ?? "").Trim().ToLowerInvariant();
        if (text.Length == 0)
        {
            return null;
        }

        var byNumber = text.EndsWith("mesh", StringComparison.Ordinal);
        var figure = fields.Quantity("mesh", text.Replace("mesh", "", StringComparison.Ordinal).Replace("µm", "", StringComparison.Ordinal)
            .Replace("um", "", StringComparison.Ordinal).Trim(), Dimension.Plain, 10, byNumber ? 400 : 5000, "Write 200 µm, or 75 mesh.");
        return byNumber && figure > 0 ? Sprayers.MeshUm(figure).Value : figure;
    }

    private static SprayerQuestion Question(CalibrationRequest r, TypedFields fields) => string.IsNullOrWhiteSpace(r.Used)
        ? new SprayerQuestion {
            Units = fields.Units,
            NozzleLPerMin = fields.Optional("nozzle", r.Nozzle, Dimension.Flow, 0.01, 100),
            SpeedKmPerH = fields.Optional("speed", r.Speed, Dimension.Plain, 0.1, 50),
            SpacingM = fields.Optional("spacing", r.Spacing, Dimension.Length, 0.01, 50),
        }
        : new SprayerQuestion {
            Units = fields.Units, UsedL = fields.Quantity("used", r.Used, Dimension.Volume, 0.001, 500),
            SquareM2 = fields.Optional("square", r.Square, Dimension.Area, 0.5, 20_000)
        };

    private static Ruling<SprayerAnswer> Rate(CalibrationRequest r, TypedFields fields)
    {
        var ruling = SprayerRate.Of(Question(r, fields));
        foreach (var p in ruling.Refused?.Problems ?? [])
        {
            fields.Checks.Add(p.Field switch {
                "nozzleLPerMin" => "nozzle",
                "speedKmPerH" => "speed",
                "spacingM" => "spacing",
                "usedL" =>
                "used",
                "squareM2" => "square",
                _ => p.Field
            }, p.Wrong, p.WayOut);
        }

        return fields.Checks.Sound ? ruling : fields.Checks.Refusal;
    }

    private static async Task<Results<Ok<Worked<SprayerAnswer>>, Refused>> WorkOut(CalibrationRequest r, HoldingClock clock) =>
        Problems.Answer(Rate(r, new TypedFields(await clock.Units())));

    private static Task<Results<Written<Kept>, Refused, Clash>> Calibrate(int id, CalibrationRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var at = fields.Past("at", r.At, clock.Now);
        if (!await db.Sprayers.AnyAsync(s => s.Id == id))
        {
            return Refusal.Of("id", "There is no such sprayer.", "Choose from the list.");
        }

        var rate = Rate(r, fields);
        if (rate.Refused is { } refused)
        {
            return refused;
        }

        var kept = new SprayerCalibration {
            SprayerId = id, At = at, RecordedAt = clock.Now, Measured = Question(r, fields),
            LPerHa = rate.Value.LPerHa
        };
        db.Calibrations.Add(kept);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(kept.Id));
    });

    private static Task<Results<Written<Kept>, Refused, Clash>> Wash(int id, WashRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) => writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var at = fields.Past("at", r.At, clock.Now);
        if (!await db.Sprayers.AnyAsync(s => s.Id == id))
        {
            fields.Checks.Add("id", "There is no such sprayer.", "Choose from the list.");
        }

        if (r.ApplicationId is not null && !await db.Applications.AnyAsync(a => a.Id == r.ApplicationId))
        {
            fields.Checks.Add("applicationId", "There is no such job.", "Choose from the book.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        var wash = new SprayerWash {
            SprayerId = id, ApplicationId = r.ApplicationId, At = at, RecordedAt = clock.Now,
            Note = string.IsNullOrWhiteSpace(r.Note) ? null : r.Note.Trim()
        };
        db.Washes.Add(wash);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(wash.Id));
    });

    private static async Task<Results<Ok<Worked<CanAnswer>>, Refused>> Can(CanRequest r, HoldingClock clock)
    {
        var fields = new TypedFields(await clock.Units());
        var (can, seconds, wanted) = (fields.Quantity("can", r.Can, Dimension.Volume, 0.5, 50), fields.Quantity("seconds", r.Seconds,
            Dimension.Plain, 2, 600, "Fill it, tip it, and count."), fields.Quantity("wanted", r.Wanted, Dimension.Volume, 0.1, 5000));
        return fields.Checks.Sound ? Problems.Answer(WateringCan.Of(can, seconds, wanted)) : Problems.Of(fields.Checks.Refusal);
    }
}
