using Microsoft.EntityFrameworkCore;
using MudPie.Core.Book;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Book;
using MudPie.Server.Web;

namespace MudPie.Server.Book;

/// <summary>A wait set by the grower's own code.</summary>
public sealed record OwnWaitRequest(string? Kind, string? Days, string? Why);

/// <summary>What a bed carries: eaten raw or not.</summary>
public sealed record EatenRawRequest(bool EatenRaw);

/// <summary>A wait that runs on a bed.</summary>
public sealed record WaitView(int BedId, string Bed, string What, DateTimeOffset Until, double Days, string Reason);

/// <summary>A kind of wait, with what is in force.</summary>
public sealed record WaitRuleView(string Kind, double Days, string Why, bool Own, double HouseDays);

/// <summary>Waits and the rules behind them.</summary>
public sealed record WaitsView(IReadOnlyList<WaitView> Running, IReadOnlyList<WaitRuleView> Rules, IReadOnlyList<int> EatenRaw);

/// <summary>Waits before harvest.</summary>
public static class Waits
{
    /// <summary>What can be done.</summary>
    public static void MapWaits(this IEndpointRouteBuilder api)
    {
        api.MapGet("/book/waits", Read).Produces<WaitsView>();
        api.MapPost("/book/waits", Keep).Produces<Kept>().ProducesProblem(422);
        api.MapPost("/book/beds/{id:int}/eaten-raw", EatenRaw).Produces<Kept>().ProducesProblem(422);
    }

    /// <summary>Days by the grower's own code: the newest of each kind.</summary>
    public static async Task<IReadOnlyDictionary<string, (double Days, string Why)>> Own(HoldingDb db) =>
        (await db.OwnWaits.AsNoTracking().ToListAsync()).GroupBy(w => w.Kind).ToDictionary(g => g.Key, g => g.OrderBy(w => w.Id).Select(w => (w.Days, w.Why)).Last());

    /// <summary>Waits that run now, by bed.</summary>
    public static async Task<List<WaitView>> Running(HoldingDb db, DateTimeOffset now)
    {
        var own = await Own(db);
        var most = Math.Max(HarvestWaits.House.Values.Max(v => v.Days), own.Count == 0 ? 0 : own.Values.Max(v => v.Days));
        var since = now.AddDays(-Math.Min(Math.Max(most, 366), 400));
        var struck = db.Applications.Where(a => a.CorrectsId != null).Select(a => a.CorrectsId);
        var rows = await db.Applications.AsNoTracking().Where(a => a.At > since && !a.Strikes && !struck.Contains(a.Id)).Select(a => new
        {
            a.At,
            Batch = a.Batch == null ? null : a.Batch.Name,
            Making = a.Batch == null ? null : a.Batch.Making,
            Items = a.Items.Select(i => new { i.Name, i.Kind, Days = i.Input == null ? null : i.Input.LabelWaitDays }).ToList(),
            Beds = a.Beds.Select(b => new { b.BedId, b.Bed.Name, b.Bed.EatenRaw }).ToList(),
        }).ToListAsync();
        return [.. rows.SelectMany(a => a.Beds.Select(b => (Bed: b, Row: a))).GroupBy(x => x.Bed).SelectMany(g => HarvestWaits.Running(
                g.SelectMany(x => x.Row.Items.Select(i => new WaitCause(i.Name, i.Kind == "brew" ? "brew" : InputKinds.Of(i.Kind).WaitKind, x.Row.At, i.Days)).Concat(x.Row.Batch is null ? [] : [new WaitCause(x.Row.Batch, x.Row.Making == "steep" ? "feed" : "brew", x.Row.At)])), now, own, g.Key.EatenRaw)
            .Take(1).Select(w => new WaitView(g.Key.BedId, g.Key.Name, w.What, w.Until, w.Days, w.Reason))).OrderBy(w => w.Until)];
    }

    private static async Task<IResult> Read(HoldingDb db, HoldingClock clock)
    {
        var own = await Own(db);
        return TypedResults.Ok(new WaitsView(
            await Running(db, clock.Now),
            [.. HarvestWaits.House.Select(h => own.TryGetValue(h.Key, out var set) ? new WaitRuleView(h.Key, set.Days, set.Why, true, h.Value.Days) : new WaitRuleView(h.Key, h.Value.Days, h.Value.Why, false, h.Value.Days))],
            await db.Beds.Where(b => b.EatenRaw).Select(b => b.Id).ToListAsync()));
    }

    private static Task<IResult> Keep(OwnWaitRequest r, HoldingDb db, HoldingClock clock, Writes writes) => writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var wait = new OwnWait { Kind = fields.OneOf("kind", r.Kind, [.. HarvestWaits.House.Keys]), Days = fields.Quantity("days", r.Days, Core.Measures.Dimension.Plain, 0, 1000), Why = (r.Why ?? "").Trim(), At = clock.Now };
        if (wait.Why.Length is < 5 or > 200)
        {
            fields.Checks.Add("why", "It is not said which code sets it.", "Name the code or the rule in five to 200 letters: it stands in the record.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        db.OwnWaits.Add(wait);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(wait.Id));
    });

    private static Task<IResult> EatenRaw(int id, EatenRawRequest r, HoldingDb db, Writes writes) => writes.Do<Kept>(async () =>
    {
        if (await db.Beds.FindAsync(id) is not { } bed)
        {
            return Refusal.Of("id", "There is no such bed.", "Load the list again.");
        }

        bed.EatenRaw = r.EatenRaw;
        return Writes.Done(new Kept(id));
    });
}
