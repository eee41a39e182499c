using Microsoft.EntityFrameworkCore;
using MudPie.Core.Book;
using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Book;
using MudPie.Records.PuttingOut;
using MudPie.Server.Web;

namespace MudPie.Server.Book;

/// <summary>A wait set by the grower's own code.</summary>
public sealed record OwnWaitRequest(string? Kind, string? Days, string? Why);

/// <summary>Whether and how what grows on a bed is eaten.</summary>
public sealed record EatenRequest(Eaten? How);

/// <summary>A bed and whether it is eaten.</summary>
public sealed record EatenView(int BedId, Eaten How);

/// <summary>A wait that runs on a bed.</summary>
public sealed record WaitView(int BedId, string Bed, string What, DateTimeOffset Until, double Days, string Reason);

/// <summary>A kind of wait, with what is in force.</summary>
public sealed record WaitRuleView(string Kind, double Days, string Why, bool Own, double HouseDays);

/// <summary>Waits and the rules behind them.</summary>
public sealed record WaitsView(IReadOnlyList<WaitView> Running, IReadOnlyList<WaitRuleView> Rules, IReadOnlyList<EatenView> Eaten);

/// <summary>Waits before harvest.</summary>
public static class Waits
{
    /// <summary>What can be done.</summary>
    public static void MapWaits(this IEndpointRouteBuilder api)
    {
        api.MapGet("/book/waits", Read).ForVisitor("How long the grower lets beds wait before harvest.");
        api.MapPost("/book/waits", Keep).ForHand("Keeps how long beds wait.");
        api.MapPost("/book/beds/{id:int}/eaten", KeepEaten).ForHand("Whether a bed is eaten raw, cooked or not at all.");
    }

    /// <summary>Days by the grower's own code: the newest of each kind.</summary>
    public static async Task<IReadOnlyDictionary<string, (double Days, string Why)>> Own(HoldingDb db) =>
        (await db.OwnWaits.AsNoTracking().ToListAsync()).GroupBy(w => w.Kind)
            .ToDictionary(g => g.Key, g => g.OrderBy(w => w.Id).Select(w => (w.Days, w.Why)).Last());

    /// <summary>Waits that run now, by bed.</summary>
    public static async Task<List<WaitView>> Running(HoldingDb db, DateTimeOffset now)
    {
        var own = await Own(db);
        var most = Math.Max(HarvestWaits.House.Values.Max(v => v.Days), own.Count == 0 ? 0 : own.Values.Max(v => v.Days));
        var since = now.AddDays(-Math.Min(Math.Max(most, 366), 400));
        var jobs = await db.Applications.ThatStand().AsNoTracking().Where(a => a.At > since).Select(a => new {
            a.Id,
            a.At,
            a.Purpose,
            a.BatchId,
            Batch = a.Batch == null ? null : a.Batch.Name,
            Making = a.Batch == null ? (Making?)null : a.Batch.Making,
            Items = a.Items.Select(i => new { i.Name, i.Kind, Days = i.Input == null ? null : i.Input.LabelWaitDays }).ToList(),
        }).ToListAsync();
        // Of a year's jobs few can still be waited for: only their beds are looked up.
        var rows = jobs.Where(a =>
            a.At.AddDays(Math.Max(a.BatchId is not null ? most : 0,
                a.Items.Select(i => Longest(i.Name, i.Kind, a.At, i.Days, a.Purpose == Purpose.Leaf, own)).DefaultIfEmpty(0).Max())) > now)
                .ToList();
        var ids = rows.Select(a => a.Id).ToList();
        var beds = (await db.Set<ApplicationBed>().AsNoTracking().Where(b => ids.Contains(b.ApplicationId))
            .Select(b => new { b.ApplicationId, b.BedId, b.Bed.Name, b.Bed.Eaten }).ToListAsync()).ToLookup(b => b.ApplicationId,
                b => (b.BedId, b.Name, b.Eaten));
        var origins = await Origins(db, [.. rows.Where(r => r.BatchId != null).Select(r => r.BatchId!.Value).Distinct()]);
        return [.. rows.SelectMany(a => beds[a.Id].Select(b => (Bed: b, Row: a))).GroupBy(x => x.Bed).SelectMany(g => HarvestWaits.Running(
                g.SelectMany(x => x.Row.Items.Select(i => new WaitCause(i.Name, i.Kind == "brew" ? "brew" : InputKinds.Of(i.Kind).WaitKind,
                    x.Row.At, i.Days, Leaf: x.Row.Purpose == Purpose.Leaf))
                    .Concat(x.Row.BatchId is { } id
                        ? [Cause(x.Row.Batch!, x.Row.Making!.Value, x.Row.At, origins.GetValueOrDefault(id), x.Row.Purpose == Purpose.Leaf)]
                        : [])), now, own, g.Key.Eaten)
            .Take(1).Select(w => new WaitView(g.Key.BedId, g.Key.Name, w.What, w.Until, w.Days, w.Reason))).OrderBy(w => w.Until)];
    }

    /// <summary>The most days that something is waited for, however what grows there is eaten.</summary>
    private static double Longest(string name, string kind, DateTimeOffset at, double? labelDays, bool leaf,
        IReadOnlyDictionary<string, (double Days, string Why)> own) =>
        Enum.GetValues<Eaten>()
            .Max(eaten => HarvestWaits.DaysFor(new WaitCause(name, kind == "brew" ? "brew" : InputKinds.Of(kind).WaitKind, at, labelDays,
                Leaf: leaf), own, eaten).Days);

    /// <summary>A brew as something to be waited for.</summary>
    internal static WaitCause Cause(string name, Making making, DateTimeOffset on, BrewOrigin? origin, bool leaf) =>
        new(name, making == Making.Steep ? "feed" : "brew", on, null, origin, leaf);

    /// <summary>True where a lot's answers say: no manure, or heated with its record kept.</summary>
    internal static bool ManureFree(SourceAnswers? answers) => answers is { Manure: "none" } or { Manure: "composted", HeatRecord: "kept" };

    /// <summary>Where batches are from: fed or not, their sources' manure, their tests, and the two like them before.</summary>
    internal static async Task<Dictionary<int, BrewOrigin>> Origins(HoldingDb db, IReadOnlyList<int> batchIds)
    {
        var list = await db.Batches.AsNoTracking().Where(b => batchIds.Contains(b.Id))
            .Select(b => new { b.Id, b.Making, b.SourceInputId, b.SecondSourceInputId, b.Brew, b.VesselId, b.WaterSourceId, b.StartedAt })
            .ToListAsync();
        var lots = list.SelectMany(b => new[] { b.SourceInputId, b.SecondSourceInputId }).OfType<int>().Distinct().ToList();
        var asked = db.SourceChecks.Newest();
        var free = (await db.Inputs.AsNoTracking().Where(i => lots.Contains(i.Id))
            .Select(i => new { i.Id, Answers = asked.Where(c => c.InputId == i.Id).Select(c => c.Answers).FirstOrDefault() }).ToListAsync())
            .ToDictionary(i => i.Id, i => i.Answers is not null && ManureFree(i.Answers));
        var tests = (await db.Log.ThatStand().AsNoTracking().Where(l => l.Kind == LogKind.Pathogen)
            .Select(l => new { l.BatchId, l.Id, l.Text }).ToListAsync())
            .GroupBy(l => l.BatchId).ToDictionary(g => g.Key, g => g.MaxBy(l => l.Id)!.Text == "clear");
        var tested = tests.Keys.ToList();
        var before = await db.Batches.AsNoTracking().Where(b => tested.Contains(b.Id))
            .Select(b => new { b.Id, b.SourceInputId, b.SecondSourceInputId, b.Brew, b.VesselId, b.WaterSourceId, b.StartedAt, b.Making })
            .ToListAsync();
        var answer = new Dictionary<int, BrewOrigin>();
        foreach (var b in list)
        {
            var foods = Foods(b.Brew);
            var alike = before.Where(x => x.Id != b.Id && x.Making == b.Making && x.SourceInputId == b.SourceInputId
                && x.SecondSourceInputId == b.SecondSourceInputId && x.VesselId == b.VesselId && x.WaterSourceId == b.WaterSourceId
                && (b.StartedAt is null || x.StartedAt < b.StartedAt) && Foods(x.Brew) == foods)
                .OrderByDescending(x => x.StartedAt).Take(2).ToList();
            // Every source must have a lot that is known to be free of it: one without a lot is taken for manure.
            var from = new[] { b.SourceInputId, b.SecondSourceInputId }.OfType<int>().ToList();
            var manureFree = from.Count >= Math.Max(b.Brew.Sources?.Count ?? 1, 1) && from.All(id => free.GetValueOrDefault(id));
            answer[b.Id] = new BrewOrigin(b.Making is Making.Tea or Making.Steep, manureFree, tests.GetValueOrDefault(b.Id),
                alike.Count == 2 && alike.All(x => tests[x.Id]));
        }

        return answer;
    }

    private static string Foods(BrewQuestion brew) => string.Join(' ', (brew.Foods ?? []).Select(f => f.Kind).Order());

    /// <summary>Whether two batches like this one, the last that were, were tested clean: for a plan that is not brewed yet.</summary>
    internal static async Task<bool> TwoCleanBefore(HoldingDb db, Making making, int? sourceLot, IEnumerable<string?> foods, int vesselId,
        int waterId)
    {
        var kinds = string.Join(' ', foods.Order());
        var clean = (await db.Log.ThatStand().AsNoTracking().Where(l => l.Kind == LogKind.Pathogen)
            .Select(l => new { l.BatchId, l.Id, l.Text }).ToListAsync())
            .GroupBy(l => l.BatchId).ToDictionary(g => g.Key, g => g.MaxBy(l => l.Id)!.Text == "clear");
        if (clean.Count < 2 || sourceLot is null)
        {
            return false;
        }

        var last = (await db.Batches.AsNoTracking().Where(b => b.StartedAt != null && b.Making == making && b.SourceInputId == sourceLot
            && b.VesselId == vesselId && b.WaterSourceId == waterId).OrderByDescending(b => b.StartedAt).Select(b => new { b.Id, b.Brew })
            .Take(20).ToListAsync())
            .Where(b => Foods(b.Brew) == kinds).Take(2).ToList();
        return last.Count == 2 && last.All(b => clean.GetValueOrDefault(b.Id));
    }

    /// <summary>Waits as a job or a plan would begin them, in words, with what would lift them: one sentence for the beds that wait
    /// alike.</summary>
    internal static List<string> InWords(IReadOnlyList<WaitCause> causes, IEnumerable<(string Name, Eaten Eaten)> beds, DateTimeOffset at,
        IReadOnlyDictionary<string, (double Days, string Why)> own, Func<DateTimeOffset, DateTimeOffset> local) =>
        [.. beds.GroupBy(b => b.Eaten)
            .Select(g => (Beds: g.ToList(), Longest: causes.Select(c => (Cause: c, Rule: HarvestWaits.DaysFor(c, own, g.Key)))
                .MaxBy(x => x.Rule.Days)))
            .Where(x => x.Longest.Cause is not null)
            .Select(x =>
            {
                var (days, why, lifts) = x.Longest.Rule;
                var names = $"{Say.List([.. x.Beds.Take(4).Select(b => b.Name)])}"
                    + $"{(x.Beds.Count > 4 ? $" and {x.Beds.Count - 4} more" : "")}";
                var word = x.Beds[0].Eaten == Eaten.Grazed ? "grazing" : "harvest";
                return days <= 0 ? $"{names}: no wait before {word}: {why}."
                    : $"{names}: no {word} before {Say.Date(local(at.AddDays(days)))} ({Say.Number(days)} "
                        + $"days; {why}).{(lifts.Count == 0 ? "" : $" What would lift it: {string.Join("; ", lifts)}.")}";
            })];

    private static async Task<Ok<WaitsView>> Read(HoldingDb db, HoldingClock clock)
    {
        var own = await Own(db);
        return TypedResults.Ok(new WaitsView(
            await Running(db, clock.Now),
            [.. HarvestWaits.House.Select(h => own.TryGetValue(h.Key, out var set) ? new WaitRuleView(h.Key, set.Days, set.Why, true,
                h.Value.Days) : new WaitRuleView(h.Key, h.Value.Days, h.Value.Why, false, h.Value.Days))],
            await db.Beds.AsNoTracking().Select(b => new EatenView(b.Id, b.Eaten)).ToListAsync()));
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Keep(OwnWaitRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var wait = new OwnWait {
            Kind = fields.OneOf("kind", r.Kind, [.. HarvestWaits.House.Keys]),
            Days = fields.Quantity("days", r.Days, Core.Measures.Dimension.Plain, 0, 1000), Why = (r.Why ?? "").Trim(), At = clock.Now
        };
        if (wait.Why.Length is < 5 or > 200)
        {
            fields.Checks.Add("why", "It is not said which code sets it.",
                "Name the code or the rule in five to 200 letters: it stands in the record.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        db.OwnWaits.Add(wait);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(wait.Id));
    });

    private static Task<Results<Written<Kept>, Refused, Clash>> KeepEaten(int id, EatenRequest r, HoldingDb db, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        if (r.How is not { } how || !Enum.IsDefined(how))
        {
            return Refusal.Of("how", "It is not said whether and how it is eaten.", "Choose touches, clear, grazed or nothing.");
        }

        if (await db.Beds.FindAsync(id) is not { } bed)
        {
            return Refusal.Of("id", "There is no such bed.", "Load the list again.");
        }

        bed.Eaten = how;
        foreach (var planting in await db.Plantings.Where(p => p.BedId == id && p.To == null).ToListAsync())
        {
            planting.Eaten = how; // of what stands there
        }

        return Writes.Done(new Kept(id));
    });
}
