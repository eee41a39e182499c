using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Server.Lots;
using MudPie.Server.Web;

namespace MudPie.Server.Brewing;

/// <summary>Beginning a batch: its strip, or why there is none at zero.</summary>
public sealed record StartRequest(string? Strip, string? Waiver, DateTimeOffset? At);

/// <summary>Something seen. The value is as typed: "7.2", "64 F", "earthy".</summary>
public sealed record LogRequest(LogKind Kind, string? Value, DateTimeOffset? At);

/// <summary>When something was done; now when not given.</summary>
public sealed record DoneRequest(DateTimeOffset? At);

/// <summary>Why a batch is heaped, and when; now where no time is given.</summary>
public sealed record HeapRequest(string? Why, DateTimeOffset? At = null);

/// <summary>Batches: listing, starting, minding, ending.</summary>
public static class BatchEndpoints
{
    /// <summary>What can be done.</summary>
    public static void MapBatches(this IEndpointRouteBuilder api)
    {
        api.MapGet("/brew/batches", List).ForVisitor("Brews, newest first.").Remember();
        api.MapGet("/brew/batches/{id:int}", Read).ForVisitor("A brew with its forecast, its log and what to do next.").Remember();
        api.MapPost("/brew/batches/{id:int}/start", Start).ForHand("Starts a brew.");
        api.MapPost("/brew/batches/{id:int}/steps/{step}", Tick).ForHand("Ticks a step of it.");
        api.MapPost("/brew/batches/{id:int}/log", Log).ForHand("Logs a reading, a smell, a feeding, a note.");
        api.MapPost("/brew/batches/{id:int}/log/{entry:int}/correct", Correct)
            .ForHand("Puts an entry of the log right; both stay readable.");
        api.MapPost("/brew/batches/{id:int}/air-off", AirOff).ForHand("The air goes off.");
        api.MapPost("/brew/batches/{id:int}/heap", Heap).ForHand("The brew goes on the heap, and why.");
    }

    private static async Task<Ok<List<BatchLine>>> List(HoldingDb db, HoldingClock clock, int page = 0)
    {
        return TypedResults.Ok(await BatchViews.Lines(db,
            db.Batches.OrderByDescending(b => b.UseAt).Skip(Math.Max(page, 0) * 50).Take(50), await clock.Units()));
    }

    private static async Task<Results<Ok<BatchView>, Missing>> Read(int id, LiveBrew live, HoldingDb db, HoldingClock clock)
    {
        if (await live.Load(id) is not { } batch)
        {
            return Problems.NotFound("batch");
        }

        var watch = await live.Watch(batch);
        var view = BatchViews.Of(batch, watch is { Refused: null } ? watch.Worked : null, await live.Race(batch), await clock.Units());
        var wrote = await db.Wrote(db.Log.Where(l => l.BatchId == id));
        return TypedResults.Ok(view with { Log = [.. view.Log.Select(l => l with { Wrote = wrote.Told(l.Id, l.At) })],
            LogSays = await LoggerThinning.Says(db, id, batch.Log.Count(l => l.Source == LoggerThinning.Source))
        });
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Start(int id, StartRequest r, HoldingDb db, HoldingClock clock,
        StockKeeper stock, Writes writes) =>
        Change(id, db, clock, writes, (b, units, now) => BrewDeeds.Start(b.Stands(), r.Strip, r.Waiver, r.At, now, units),
            async (batch, start, now) =>
    {
        foreach (var said in await stock.Brew(batch, start.At))
        {
            batch.Take(BrewDeeds.Log(batch.Stands(), LogKind.Note, BrewSaid.Of(LogKind.Note, said), start.At, now).Value, now, "hand");
        }
    });

    private static Task<Results<Written<Kept>, Refused, Clash>> Tick(int id, string step, DoneRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) =>
        Change(id, db, clock, writes, (b, _, now) => BrewDeeds.Tick(b.Stands(), step, r.At, now));

    private static Task<Results<Written<Kept>, Refused, Clash>> Log(int id, LogRequest r, HoldingDb db, HoldingClock clock,
        Writes writes, ForwardRun forward) =>
        Change(id, db, clock, writes, (b, units, now) =>
            BrewDeeds.Log(b.Stands(), r.Kind, BrewSaid.Read(r.Kind, r.Value, units), r.At, now), forward.Follow);

    private static Task<Results<Written<Kept>, Refused, Clash>> Correct(int id, int entry, LogRequest r, HoldingDb db, HoldingClock clock,
        Writes writes, ForwardRun forward)
    {
        LogEntry? Old(Batch b) => b.Log.FirstOrDefault(l => l.Id == entry) is { } old && !b.Log.RightedBy().ContainsKey(entry) ? old : null;
        return Change(id, db, clock, writes, (b, units, now) => BrewDeeds.Correct(b.Stands(), Old(b)?.Said(),
            BrewSaid.Read(Old(b)?.Kind ?? r.Kind, r.Value, units), r.At, now), (batch, right, now) =>
        {
            right.CorrectsId = entry;
            return forward.Follow(batch, right, now);
        });
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> AirOff(int id, DoneRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) =>
        Change(id, db, clock, writes, (b, _, now) => BrewDeeds.AirOff(b.Stands(), r.At, now));

    private static async Task<Results<Written<Kept>, Refused, Clash>> Heap(int id, HeapRequest r, HoldingDb db, HoldingClock clock,
        Writes writes, LiveBrew live)
    {
        var learnt = await live.Taught(id);
        return await Change(id, db, clock, writes, (b, _, now) => BrewDeeds.Heap(b.Stands(), r.Why, r.At, now), (batch, _, _) =>
        {
            batch.Learnt = learnt;
            return Task.CompletedTask;
        });
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Change(int id, HoldingDb db, HoldingClock clock, Writes writes,
        Func<Batch, UnitSystem, DateTimeOffset, Ruling<BrewChange>> deed, Func<Batch, LogEntry, DateTimeOffset, Task>? then = null) =>
        writes.Do<Kept>(async () =>
    {
        var batch = await db.Batches.Include(b => b.Log).FirstOrDefaultAsync(b => b.Id == id);
        if (batch is null)
        {
            return Refusal.Of("id", "There is no such batch.", "Open it from the list.");
        }

        var now = clock.Now;
        var ruling = deed(batch, await clock.Units(), now);
        if (ruling.Refused is { } refused)
        {
            return refused;
        }

        var entry = batch.Take(ruling.Value, now, "hand");
        await (then?.Invoke(batch, entry, now) ?? Task.CompletedTask);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(entry.Id));
    });
}
