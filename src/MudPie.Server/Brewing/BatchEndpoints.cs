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

/// <summary>Why a batch is heaped.</summary>
public sealed record HeapRequest(string? Why);

/// <summary>Batches: listing, starting, minding, ending.</summary>
public static class BatchEndpoints
{
    /// <summary>What can be done.</summary>
    public static void MapBatches(this IEndpointRouteBuilder api)
    {
        api.MapGet("/brew/batches", List).Produces<IReadOnlyList<BatchLine>>();
        api.MapGet("/brew/batches/{id:int}", Read).Produces<BatchView>().ProducesProblem(404);
        api.MapPost("/brew/batches/{id:int}/start", Start).Produces<Kept>().ProducesProblem(422);
        api.MapPost("/brew/batches/{id:int}/steps/{step}", Tick).Produces<Kept>().ProducesProblem(422);
        api.MapPost("/brew/batches/{id:int}/log", Log).Produces<Kept>().ProducesProblem(422);
        api.MapPost("/brew/batches/{id:int}/log/{entry:int}/correct", Correct).Produces<Kept>().ProducesProblem(422);
        api.MapPost("/brew/batches/{id:int}/air-off", AirOff).Produces<Kept>().ProducesProblem(422);
        api.MapPost("/brew/batches/{id:int}/heap", Heap).Produces<Kept>().ProducesProblem(422);
    }

    private static async Task<IResult> List(HoldingDb db, HoldingClock clock, int page = 0)
    {
        var units = await clock.Units();
        var rows = await db.Batches.AsNoTracking().OrderByDescending(b => b.UseAt).Skip(Math.Max(page, 0) * 50).Take(50)
            .Select(b => new {
                b.Id,
                b.Name,
                b.State,
                b.Making,
                b.Purpose,
                Vessel = b.Vessel.Name,
                b.Vessel.Shape,
                b.BrewL,
                b.PlannedStart,
                b.StartedAt,
                b.AirOffAt,
                b.UseAt,
                b.IsDemo,
                Beds = b.Beds.Select(x => x.Bed.Name).ToList(),
                Lowest = b.Log.Where(l => l.Kind == LogKind.Oxygen && !b.Log.Any(c => c.CorrectsId == l.Id)).Min(l => l.Number),
                Heaped = b.Log.Where(l => l.Kind == LogKind.Heaped).Select(l => l.Text).FirstOrDefault(),
            }).ToListAsync();
        return TypedResults.Ok(rows.Select(b => new BatchLine(
            b.Id, b.Name, b.State, b.Making, b.Purpose, b.Vessel, b.Shape, b.BrewL, Units.Show(b.BrewL, Dimension.Volume, units),
            b.PlannedStart, b.StartedAt, b.AirOffAt, b.UseAt,
            b.IsDemo, b.Beds, b.Lowest, BatchViews.Outcome(b.State, b.Lowest, b.Heaped))).ToList());
    }

    private static async Task<IResult> Read(int id, LiveBrew live, HoldingDb db, HoldingClock clock)
    {
        if (await live.Load(id) is not { } batch)
        {
            return Problems.NotFound("batch");
        }

        var watch = await live.Watch(batch);
        return TypedResults.Ok(BatchViews.Of(batch, watch is { Refused: null } ? watch.Worked : null, await live.Race(batch),
            await clock.Units())
                with { LogSays = await LoggerThinning.Says(db, id, batch.Log.Count(l => l.Source == LoggerThinning.Source)) });
    }

    private static Task<IResult> Start(int id, StartRequest request, HoldingDb db, HoldingClock clock, StockKeeper stock, Writes writes) =>
        Change(id, db, clock, writes, async (batch, fields, now) =>
    {
        Must(fields, batch.State == BatchState.Planned, "This batch has begun already.", "Open it and log what you see.");
        var at = fields.Past("at", request.At, now);
        var strip = fields.Optional("strip", request.Strip, Dimension.Concentration, 0, WaterClearing.Highest);
        var waiver = (request.Waiver ?? "").Trim();
        if (fields.Checks.Sound && strip is not 0 && waiver.Length < 3)
        {
            fields.Checks.Add(strip is null ? "strip" : "waiver", strip is null
                ? "No strip was read." : $"The strip reads {Say.Number(strip.Value)} mg/L, not zero.",
                "Clear the water and read it again, or say in words why you begin all the same: it is kept, and a strip above zero fails "
                    + "the brew.");
        }

        if (!fields.Checks.Sound)
        {
            return null;
        }

        batch.State = BatchState.Brewing;
        batch.StartedAt = at;
        batch.StripWaiver = waiver.Length >= 3 ? waiver : null;
        if (strip is { } mg)
        {
            batch.Log.Add(Entry(LogKind.Strip, at, now, mg, null));
        }

        var start = Entry(LogKind.Start, at, now, null, batch.StripWaiver);
        batch.Log.Add(start);
        // Only what this very deed is is marked done with it: the source going in, and the strip where it was read. The rest is ticked by
        // whoever did it.
        foreach (var step in batch.Steps.Where(s => s.Id == "source" || (s.Id == "strip" && strip is not null)))
        {
            batch.Log.Add(Entry(LogKind.Step, at, now, null, step.Id));
        }

        foreach (var said in await stock.Brew(batch, at))
        {
            batch.Log.Add(Entry(LogKind.Note, at, now, null, said));
        }

        return start;
    });

    private static Task<IResult> Tick(int id, string step, DoneRequest request, HoldingDb db, HoldingClock clock, Writes writes) =>
        Change(id, db, clock, writes, (batch, fields, now) =>
    {
        var known = batch.Steps.Any(s => s.Id == step);
        Must(fields, known, $"“{step}” is not a step of this batch.", "Tick one of its own steps.", "step");
        Must(fields, batch.State is not (BatchState.Used or BatchState.Heaped), "This batch is over.", "Its log can still be read.");
        var entry = Entry(LogKind.Step, fields.Past("at", request.At, now), now, null, step);
        batch.Log.Add(entry);
        return entry;
    });

    private static Task<IResult> Log(int id, LogRequest request, HoldingDb db, HoldingClock clock, Writes writes) =>
        Change(id, db, clock, writes, (batch, fields, now) =>
    {
        Must(fields, batch.State is BatchState.Brewing or BatchState.Off
            || (batch.State == BatchState.Planned && request.Kind is LogKind.Strip or LogKind.Note),
            "This batch is not going.", batch.State == BatchState.Planned
                ? "Start it first; before that only its strip and notes are logged." : "It is over; its log can still be corrected.");
        Must(fields, request.Kind is not LogKind.AirTo || batch.Making is not (Making.Extract or Making.Steep),
            "There is no air in this one: it was made without.", "Log it on a brew that is aired.", "kind");
        var entry = Seen(fields, request.Kind, request.Value, fields.Past("at", request.At, now), now);
        NotBefore(fields, batch, entry);
        batch.Log.Add(entry);
        return entry;
    });

    private static Task<IResult> Correct(int id, int entry, LogRequest request, HoldingDb db, HoldingClock clock, Writes writes) =>
        Change(id, db, clock, writes, (batch, fields, now) =>
    {
        var old = batch.Log.FirstOrDefault(l => l.Id == entry);
        Must(fields, old is not null && !batch.Log.Any(l => l.CorrectsId == entry), "That entry is not there, or was put right already.",
            "Correct the newest one.", "entry");
        Must(fields, old is null || old.Kind is LogKind.Oxygen or LogKind.Warmth or LogKind.Smell or LogKind.Foam or LogKind.Strip
            or LogKind.Note or LogKind.Fed or LogKind.AirTo or LogKind.Pathogen, "That kind of entry is not corrected.",
            "Add a note that says what was wrong.", "entry");
        if (!fields.Checks.Sound)
        {
            return null;
        }

        var right = Seen(fields, old!.Kind, request.Value, request.At ?? old.At, now);
        right.CorrectsId = old.Id;
        NotBefore(fields, batch, right);
        batch.Log.Add(right);
        return right;
    });

    private static Task<IResult> AirOff(int id, DoneRequest request, HoldingDb db, HoldingClock clock, Writes writes) =>
        Change(id, db, clock, writes, (batch, fields, now) =>
    {
        Must(fields, batch.State == BatchState.Brewing, "The air of this batch is not on.", "Only a brew that is going can be stopped.");
        Must(fields, batch.Making is not (Making.Extract or Making.Steep), "There is no air to stop: it was made without.",
            "Put it out, or send it to the heap.");
        var at = fields.Past("at", request.At, now);
        var entry = Entry(LogKind.AirOff, at, now, null, null);
        NotBefore(fields, batch, entry);
        batch.State = BatchState.Off;
        batch.AirOffAt = at;
        batch.Log.Add(entry);
        batch.Log.Add(Entry(LogKind.Step, at, now, null, batch.Steps.Any(s => s.Id == "air-off") ? "air-off" : "strain"));
        return entry;
    });

    private static async Task<IResult> Heap(int id, HeapRequest request, HoldingDb db, HoldingClock clock, Writes writes, LiveBrew live)
    {
        var learnt = await live.Taught(id);
        return await HeapIt(id, request, db, clock, writes, learnt);
    }

    private static Task<IResult> HeapIt(int id, HeapRequest request, HoldingDb db, HoldingClock clock, Writes writes,
        IReadOnlyDictionary<string, double>? learnt) => Change(id, db, clock, writes, (batch, fields, now) =>
    {
        Must(fields, batch.State is BatchState.Brewing or BatchState.Off or BatchState.Planned, "This batch is over already.",
            "Its log can still be read.");
        var why = (request.Why ?? "").Trim();
        Must(fields, why.Length is >= 3 and <= 300, "No reason was given.",
            "Say in a few words why it goes on the heap; the log keeps it.", "why");
        var entry = Entry(LogKind.Heaped, now, now, null, why);
        batch.State = BatchState.Heaped;
        batch.Learnt = learnt;
        batch.AirOffAt ??= batch.StartedAt is null ? null : now;
        batch.Log.Add(entry);
        return entry;
    });

    private static LogEntry Entry(LogKind kind, DateTimeOffset at, DateTimeOffset now, double? number, string? text) =>
        new() { Kind = kind, At = at, RecordedAt = now, Number = number, Text = text, Source = "hand" };

    private static LogEntry Seen(TypedFields fields, LogKind kind, string? value, DateTimeOffset at, DateTimeOffset now)
    {
        var entry = Entry(kind, at, now, null, null);
        switch (kind)
        {
            case LogKind.Oxygen:
                entry.Number = fields.Quantity("value", value, Dimension.Concentration, BrewReadings.Oxygen.Low, BrewReadings.Oxygen.High,
                    "Water holds 15 mg/L at freezing and less when warmer.");
                break;
            case LogKind.Warmth:
                entry.Number = fields.Quantity("value", value, Dimension.Temperature, BrewReadings.Warmth.Low, BrewReadings.Warmth.High);
                break;
            case LogKind.Strip:
                entry.Number = fields.Quantity("value", value, Dimension.Concentration, 0, WaterClearing.Highest,
                    "Above 10 a strip is not to be trusted.");
                break;
            case LogKind.Smell:
                entry.Text = fields.OneOf("value", value, [.. Words.All<Smell>()]);
                break;
            case LogKind.Foam:
                entry.Text = fields.OneOf("value", value, [.. Words.All<Foam>()]);
                break;
            case LogKind.Note:
                entry.Text = (value ?? "").Trim();
                Must(fields, entry.Text.Length is > 0 and <= 1000, "There is nothing in the note.", "Write up to 1,000 letters.", "value");
                break;
            case LogKind.Pathogen:
                entry.Text = fields.OneOf("value", value, "clear", "found");
                break;
            case LogKind.AirTo:
                entry.Number = fields.Quantity("value", value, Dimension.Flow, 0, 20_000);
                break;
            case LogKind.Fed:
                Feed(fields, value, entry);
                break;
            default:
                fields.Checks.Add("kind", $"{kind} is not logged this way.",
                    "Log oxygen, warmth, smell, foam, strip, feeding, air, a test or a note.");
                break;
        }

        return entry;
    }

    /// <summary>"30 ml molasses": an amount, then a food.</summary>
    private static void Feed(TypedFields fields, string? value, LogEntry entry)
    {
        var words = (value ?? "").Trim().Split(' ', StringSplitOptions.RemoveEmptyEntries);
        for (var i = 1; i < words.Length; i++)
        {
            if (Ingredients.Food(string.Join(' ', words[i..])) is { } food)
            {
                entry.Text = food.Kind;
                entry.Number = fields.Quantity("value", string.Join(' ', words[..i].Where(w => w != "of")), Dimension.Volume,
                    0.0001, 50) * 1000;
                return;
            }
        }

        fields.Checks.Add("value", "There is no food in that.", "Say how much and of what: 30 ml molasses, 1 tbsp fish.");
    }

    private static void NotBefore(TypedFields fields, Batch batch, LogEntry entry) =>
        Must(fields, batch.StartedAt is null || entry.Kind == LogKind.Strip || entry.At >= batch.StartedAt.Value.AddMinutes(-5),
            "That was before this batch began.", "Give a time after its start.", "at");

    private static void Must(TypedFields fields, bool so, string wrong, string wayOut, string field = "state")
    {
        if (!so)
        {
            fields.Checks.Add(field, wrong, wayOut);
        }
    }

    private static Task<IResult> Change(int id, HoldingDb db, HoldingClock clock, Writes writes,
        Func<Batch, TypedFields, DateTimeOffset, LogEntry?> change) =>
        Change(id, db, clock, writes, (batch, fields, now) => Task.FromResult(change(batch, fields, now)));

    private static Task<IResult> Change(int id, HoldingDb db, HoldingClock clock, Writes writes,
        Func<Batch, TypedFields, DateTimeOffset, Task<LogEntry?>> change) => writes.Do<Kept>(async () =>
    {
        var batch = await db.Batches.Include(b => b.Log).FirstOrDefaultAsync(b => b.Id == id);
        if (batch is null)
        {
            return Refusal.Of("id", "There is no such batch.", "Open it from the list.");
        }

        var fields = new TypedFields(await clock.Units());
        var entry = await change(batch, fields, clock.Now);
        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        await db.SaveChangesAsync();
        return Writes.Done(new Kept(entry!.Id));
    });
}
