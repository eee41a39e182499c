using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Records.PuttingOut;
using MudPie.Server.Brewing;
using MudPie.Server.Web;

namespace MudPie.Server.PuttingOut;

/// <summary>A brew about to go out, as typed.</summary>
public sealed record PutOutRequest
{
    public string? Dilution { get; init; }

    public IReadOnlyList<int> BedIds { get; init; } = [];

    /// <summary>Strained brew to use, as typed.</summary>
    public string? Brew { get; init; }

    /// <summary>By what.</summary>
    public string? Tool { get; init; }

    /// <summary>What the sprayer or can holds, as typed.</summary>
    public string? Tank { get; init; }

    public DateTimeOffset? At { get; init; }

    /// <summary>Why it goes out though it failed, in words.</summary>
    public string? OverrideWhy { get; init; }

    /// <summary>Cautions that were shown and ticked.</summary>
    public IReadOnlyList<string> CautionsSeen { get; init; } = [];
}

/// <summary>A bed's share ready to read out.</summary>
public sealed record ShareView(string Name, string AreaShown, string TeaShown, string WaterShown, string TotalShown);

/// <summary>What goes where, with the gate's ruling.</summary>
public sealed record SpreadView(
    SpreadAnswer Spread, string TeaShown, string WaterShown, string TotalShown, string WaterInTools, string LoadTeaShown, string LoadTotalShown, string LastLoadShown,
    IReadOnlyList<ShareView> Shares, GateAnswer Gate, string HowToCover);

/// <summary>What has been put out.</summary>
public sealed record ApplicationView(
    int Id, int BatchId, string Batch, DateTimeOffset At, string Dilution, string TeaShown, string TotalShown, string Tool, string Fitness, string? OverrideWhy, IReadOnlyList<string> Beds);

/// <summary>What could go out, and what did.</summary>
public sealed record PutOutView(IReadOnlyList<BatchLine> Ready, IReadOnlyList<ApplicationView> Past);

/// <summary>Putting out.</summary>
public static class PutOutEndpoints
{
    /// <summary>What can be done.</summary>
    public static void MapPutOut(this IEndpointRouteBuilder api)
    {
        api.MapGet("/put-out", Read).Produces<PutOutView>();
        api.MapPost("/put-out/{batchId:int}/work-out", WorkOut).Produces<Worked<SpreadView>>().ProducesProblem(422);
        api.MapPost("/put-out/{batchId:int}", Keep).Produces<Kept>().ProducesProblem(422);
    }

    private static async Task<IResult> Read(HoldingDb db, HoldingClock clock, int page = 0)
    {
        var units = await clock.Units();
        var ready = await db.Batches.AsNoTracking().Where(b => b.State == BatchState.Brewing || b.State == BatchState.Off).OrderBy(b => b.UseAt)
            .Select(b => new { b.Id, b.Name, b.State, b.Making, b.Purpose, Vessel = b.Vessel.Name, b.Vessel.Shape, b.BrewL, b.PlannedStart, b.StartedAt, b.AirOffAt, b.UseAt, b.IsDemo, Beds = b.Beds.Select(x => x.Bed.Name).ToList() })
            .ToListAsync();
        var past = await db.Applications.AsNoTracking().OrderByDescending(a => a.At).Skip(Math.Max(page, 0) * 50).Take(50)
            .Select(a => new { a.Id, a.BatchId, Batch = a.Batch.Name, a.At, a.Dilution, a.TeaL, a.WaterL, a.Tool, a.Fitness, a.OverrideWhy, Beds = a.Beds.Select(x => x.Bed.Name).ToList() })
            .ToListAsync();
        return TypedResults.Ok(new PutOutView(
            [.. ready.Select(b => new BatchLine(b.Id, b.Name, b.State, b.Making, b.Purpose, b.Vessel, b.Shape, b.BrewL, Units.Show(b.BrewL, Dimension.Volume, units), b.PlannedStart, b.StartedAt, b.AirOffAt, b.UseAt, b.IsDemo, b.Beds, null, BatchViews.Outcome(b.State, null, null)))],
            [.. past.Select(a => new ApplicationView(a.Id, a.BatchId, a.Batch, a.At, Dilutions.Read(a.Dilution).Match(d => d.Value.BothWays, _ => a.Dilution), Units.Show(a.TeaL, Dimension.Volume, units),
                Units.Show(a.TeaL + a.WaterL, Dimension.Volume, units), a.Tool, a.Fitness, a.OverrideWhy, a.Beds))]));
    }

    private static async Task<IResult> WorkOut(int batchId, PutOutRequest r, HoldingDb db, HoldingClock clock, LiveBrew live)
    {
        var (ready, refused) = await Prepare(batchId, r, db, clock, live);
        return ready is null ? Problems.Of(refused!) : TypedResults.Ok(ready.Worked);
    }

    private static Task<IResult> Keep(int batchId, PutOutRequest r, HoldingDb db, HoldingClock clock, LiveBrew live, Writes writes) => writes.Do<Kept>(async () =>
    {
        var (ready, refused) = await Prepare(batchId, r, db, clock, live);
        if (ready is null)
        {
            return refused!;
        }

        var fields = new TypedFields(await clock.Units());
        var tool = fields.Name("tool", r.Tool, "the sprayer or can");
        var at = fields.Past("at", r.At, clock.Now);
        var why = (r.OverrideWhy ?? "").Trim();
        var gate = ready.Worked.Value.Gate;
        if (gate.Fitness == Fitness.NotFit && why.Length < 10)
        {
            fields.Checks.Add("overrideWhy", $"This brew is not fit to use. {gate.Reasons[0]}", "Heap it; or say in words, ten letters at least, why it goes out all the same. The record keeps it.");
        }

        var unseen = ready.Worked.Cautions.Where(c => !r.CautionsSeen.Contains(c.Id)).ToList();
        if (unseen.Count > 0)
        {
            fields.Checks.Add("cautionsSeen", $"{unseen.Count} {(unseen.Count == 1 ? "caution has" : "cautions have")} not been ticked.", "Read each and tick it.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        var batch = await db.Batches.FirstAsync(b => b.Id == batchId);
        batch.LearntJson = await live.Taught(batchId);
        batch.State = BatchState.Used;
        batch.AirOffAt ??= at;
        var s = ready.Worked.Value.Spread;
        var application = new Application
        {
            BatchId = batchId,
            At = at,
            RecordedAt = clock.Now,
            Dilution = r.Dilution!.Trim(),
            OneIn = s.OneIn,
            TeaL = s.TeaL,
            WaterL = s.WaterL,
            Tool = tool,
            TankL = ready.TankL,
            Fitness = FitToUse.Name(gate.Fitness),
            OverrideWhy = gate.Fitness == Fitness.NotFit ? why : null,
            CautionsSeen = string.Join(' ', r.CautionsSeen),
        };
        application.Beds.AddRange(ready.BedIds.Zip(s.Beds, (id, share) => new ApplicationBed { BedId = id, TeaL = share.TeaL, TotalL = share.TotalL }));
        db.Applications.Add(application);
        db.Log.Add(new LogEntry { BatchId = batchId, Kind = LogKind.Step, At = at, RecordedAt = clock.Now, Text = "use", Source = "hand" });
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(application.Id));
    });

    private sealed record Ready(Worked<SpreadView> Worked, IReadOnlyList<int> BedIds, double TankL);

    private static async Task<(Ready? Ready, Refusal? Refused)> Prepare(int batchId, PutOutRequest r, HoldingDb db, HoldingClock clock, LiveBrew live)
    {
        var batch = await live.Load(batchId);
        var units = await clock.Units();
        var fields = new TypedFields(units);
        if (batch is not { State: BatchState.Brewing or BatchState.Off })
        {
            fields.Checks.Add("batch", batch is null ? "There is no such batch." : "This batch is not there to put out.", "Choose one that is brewing, or whose air is off.");
            return (null, fields.Checks.Refusal);
        }

        var brewL = fields.Quantity("brew", r.Brew, Dimension.Volume, 0.1, batch.BrewL * 1.001, "You can't put out more than was brewed.");
        var tankL = fields.Quantity("tank", r.Tank, Dimension.Volume, 0.5, 5000);
        var ids = r.BedIds.Distinct().ToList();
        var beds = await db.Beds.AsNoTracking().Where(b => ids.Contains(b.Id)).OrderBy(b => b.Id).ToListAsync();
        var spread = Core.PuttingOut.Spread.Of(
            fields.Checks.Sound ? brewL : 1, r.Dilution, [.. beds.Select(b => new BedToCover(b.Name, b.AreaM2))], fields.Checks.Sound ? tankL : 10, batch.Purpose == "leaf");
        if (spread.Refused is { } refused)
        {
            fields.Checks.Add(refused);
        }

        if (!fields.Checks.Sound)
        {
            return (null, fields.Checks.Refusal);
        }

        var watch = await live.Watch(batch);
        var gate = watch is { Refused: null } ? watch.Value.Gate : new GateAnswer(Fitness.Unseen, "Unseen.", ["The forecast could not be worked out."], null);
        var s = spread.Value;
        string L(double litres) => Units.Show(litres, Dimension.Volume, units);
        var load = Math.Min(tankL, s.TeaL + s.WaterL);
        var view = new SpreadView(
            s, L(s.TeaL), L(s.WaterL), L(s.TeaL + s.WaterL), Spoons.InTools(new Litres(s.WaterL), units).Text, L(load / s.OneIn), L(load), L(s.LastLoadL),
            [.. s.Beds.Select(b => new ShareView(b.Name, Units.Show(b.AreaM2, Dimension.Area, units), L(b.TeaL), L(b.WaterL), L(b.TotalL)))], gate,
            batch.Purpose == "leaf" ? "Both sides of the leaf, to the point of drip; early or late, in low sun." : "Slowly, so that it soaks to the depth of the roots; moist ground takes it better.");
        return (new Ready(spread.Worked.With(view, "L"), [.. beds.Select(b => b.Id)], tankL), null);
    }
}
