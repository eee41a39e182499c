using Microsoft.EntityFrameworkCore;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;
using MudPie.Core.Works;
using MudPie.Records;
using MudPie.Records.Mixing;
using MudPie.Records.Shelf;
using MudPie.Records.Works;
using MudPie.Server.Web;

namespace MudPie.Server.Works;

/// <summary>Steps at works in the yard, and what they lay on the shelf or take of it.</summary>
internal static class WorkSteps
{
    /// <summary>A step is written. To be called within a write.</summary>
    public static async Task<Ruling<Kept>> Write(int id, WorkStepRequest r, HoldingDb db, WorkDesk desk, HoldingClock clock)
    {
        if (await db.Works.AsNoTracking().FirstOrDefaultAsync(w => w.Id == id) is not { } work || r.Did is not { } did)
        {
            return Refusal.Of(r.Did is null ? "did" : "id", r.Did is null ? "Nothing was said." : "It is not there any more.",
                "Load the page again.");
        }

        if (work.Kind == WorkKind.Sheet)
        {
            return Refusal.Of("id", "That is a lab’s sheet.", "Its steps are taken on its own page.");
        }

        var checks = new Checks();
        var at = checks.Past("at", r.At, clock.Now);
        if (at < work.BegunAt.AddMinutes(-5) && work.Kind == WorkKind.Worms)
        {
            checks.Add("at", "It was not begun yet.", "Give a time after it was begun.");
        }

        var log = await db.WorkLog.ThatStand().AsNoTracking().Where(e => e.WorkId == id).ToListAsync();
        // What is logged late is judged as it stood then; what empties a tray or ends a burn, as it stands now.
        var seen = did.Step is WorkStep.Harvested or WorkStep.Measured or WorkStep.Lit or WorkStep.Carried or WorkStep.Pooled
            or WorkStep.Lifted or WorkStep.Pressed or WorkStep.Stirred or WorkStep.Given
            ? log
            : log.Where(e => e.At <= at);
        if (await Deed(did, work, [.. seen], at, desk, clock) is not { } deed)
        {
            return Refusal.Of("id", "It can’t be read any more.", "Open it and correct how it is set up.");
        }

        if (deed.Refused is { } no || !checks.Sound)
        {
            return deed.Refused is { } wrong ? checks.Add(wrong).Refusal : checks.Refusal;
        }

        var heap = await Heap(did, at, db, checks);
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var done = deed.Value;
        var point = heap is null ? done.Point : done.Point with { What = heap.Name };
        var entry = db.WorkLog.Add(WorkEntry.Of(id, done with { Point = point }, clock.Now)).Entity;
        await db.SaveChangesAsync();
        if (heap is not null)
        {
            db.HeapLog.Add(new HeapEntry {
                HeapId = heap.Id, Step = point.Step == WorkStep.Given ? HeapStep.Seen : HeapStep.Layer, At = at, RecordedAt = clock.Now,
                Litres = point.Step == WorkStep.Given ? null : point.Litres, Typed = done.Typed,
                Note = point.Step == WorkStep.Given ? $"{done.Typed} of {work.Name}" : $"char of {work.Name}", WorkEntryId = entry.Id
            });
            await db.SaveChangesAsync();
        }

        return await Stock(deed.Value, entry, db, clock) is { } refused ? refused : Writes.Done(new Kept(entry.Id));
    }

    /// <summary>The heap onto which a can of char is carried: it must be there still.</summary>
    private static async Task<Heap?> Heap(WorkStepAsked did, DateTimeOffset at, HoldingDb db, Checks checks)
    {
        if (did is not { Step: WorkStep.Carried or WorkStep.Given, HeapId: { } id })
        {
            return null;
        }

        var heap = await db.Heaps.AsNoTracking().FirstOrDefaultAsync(h => h.Id == id);
        if (heap is null || at < heap.BuiltAt.AddMinutes(-5)
            || await db.HeapLog.ThatStand().AnyAsync(e => e.HeapId == id && e.Step == HeapStep.Sieved))
        {
            checks.Add("heapId", heap is null ? "That heap is not there." : $"{heap.Name} was not there then, or is taken up.",
                "Choose another, or say where it went.");
        }

        return heap;
    }

    private static async Task<Ruling<WorkStepDone>?> Deed(WorkStepAsked did, Work work, IReadOnlyList<WorkEntry> log, DateTimeOffset at,
        WorkDesk desk, HoldingClock clock) =>
        await desk.Worms(work, log) is { } worms
            ? WormDeeds.Do(did, worms.Bin, worms.Stands, await desk.Table(), await clock.Units(), at)
        : await desk.Burn(work, log) is { } burn
            ? BurnDeeds.Do(did, burn.Bench.Value.Plan, burn.Stands, await clock.Units(), at)
        : await desk.Byproduct(work, log) is { } by
            ? Byproducts.Do(did, by.Plan, by.Stands, await desk.Table(), await clock.Units(), at)
        : await desk.Prep(work, log, at) is { } prep
            ? PrepDeeds.Do(did, prep.Plan, prep.Stands, await clock.Units(), at)
        : null;

    private static string Left(double amount, string unit) => unit == "kg" && amount < 1 ? $"{Say.Number(amount * 1000)} g"
        : $"{Say.Number(amount)} {unit}";

    /// <summary>What came of it becomes a lot; what went off falls.</summary>
    private static async Task<Refusal?> Stock(WorkStepDone done, WorkEntry entry, HoldingDb db, HoldingClock clock)
    {
        void Add(int lot, double amount, StockReason reason, string? note)
        {
            var added = StockEntry.Of(new StockChange(lot, amount, reason, note, Typed: done.Typed), entry.At, clock.Now);
            added.WorkEntryId = entry.Id;
            db.StockEntries.Add(added);
        }

        if (done.Yields is { } yields)
        {
            var input = await db.Inputs.FirstOrDefaultAsync(i => i.Name == yields.Name && i.Kind == yields.Kind)
                ?? db.Inputs.Add(new Input { Name = yields.Name, Kind = yields.Kind, Unit = yields.Unit }).Entity;
            await db.SaveChangesAsync();
            var same = await db.Lots.CountAsync(l => l.InputId == input.Id && l.Mark.StartsWith(yields.Mark));
            var lot = db.Lots.Add(new StockLot {
                InputId = input.Id, Mark = same == 0 ? yields.Mark : $"{yields.Mark}, {same + 1}", Origin = LotOrigin.Made, From = entry.At,
                WorkId = entry.WorkId, Notes = yields.Notes, Expires = yields.KeepsDays is { } days ? entry.At.AddDays(days) : null
            }).Entity;
            await db.SaveChangesAsync();
            Add(lot.Id, yields.Litres, StockReason.In, null);
        }

        if (done.TakesL > 0)
        {
            var lots = await db.Lots.AsNoTracking().Where(l => l.WorkId == entry.WorkId).OrderBy(l => l.Id)
                .Select(l => new { l.Id, Unit = l.Input.Unit ?? "L", Left = l.Entries.Sum(e => e.Amount) }).ToListAsync();
            if (lots.Count == 0)
            {
                return Refusal.Of("amount", "Nothing of it lies on the shelf.", "Log first what came of it.");
            }

            if (lots.Sum(l => Math.Max(0, l.Left)) < done.TakesL - 1e-6)
            {
                return Refusal.Of("amount", $"{Left(lots.Sum(l => Math.Max(0, l.Left)), lots[0].Unit)} of it are left on the shelf.",
                    "Give that or less; what a mix took has left it already.");
            }

            var still = done.TakesL;
            foreach (var lot in lots.Where(l => l.Left > 1e-9))
            {
                var take = Math.Min(still, lot.Left);
                if (take > 0)
                {
                    Add(lot.Id, -take, StockReason.Used, entry.What);
                    still -= take;
                }
            }
        }

        return null;
    }

    /// <summary>An entry is struck; what it laid on the shelf is taken out again as long as it is all there, and what it took goes
    /// back.</summary>
    public static async Task<Ruling<Kept>> Strike(int id, int entry, WorkStrikeRequest r, HoldingDb db, HoldingClock clock)
    {
        if (await db.WorkLog.ThatStand().AsNoTracking().FirstOrDefaultAsync(e => e.WorkId == id && e.Id == entry) is not { } old)
        {
            return Refusal.Of("id", "It is not there any more, or was struck already.", "Load the page again.");
        }

        var checks = new Checks();
        var at = checks.Past("at", r.At, clock.Now);
        if (string.IsNullOrWhiteSpace(r.Why) || r.Why.Length > 300)
        {
            checks.Add("why", "Nothing was written, or too much.", "Say in a few words what was wrong.");
        }

        if (old.Step == WorkStep.Run && (await db.WorkLog.ThatStand().AsNoTracking().Where(e => e.WorkId == id
            && e.Step == WorkStep.Pooled).ToListAsync()).Any(p => p.Point().Runs?.Contains(entry) == true))
        {
            checks.Add("id", "This run is in a pool.", "Strike the pool first; its runs lie by themselves then.");
        }

        if (await db.Applications.ThatStand().AnyAsync(a => a.WorkEntryId == entry))
        {
            checks.Add("id", "What was stirred then stands in the book as put out.", "Strike that in the book first.");
        }

        var laid = await db.StockEntries.AsNoTracking().Where(e => e.WorkEntryId == entry)
            .Select(e => new { e.LotId, e.Amount, Left = e.Lot.Entries.Sum(x => x.Amount) }).ToListAsync();
        if (laid.Any(e => e.Amount > 0 && e.Left < e.Amount - 1e-6))
        {
            checks.Add("id", "Something was taken since of what came of it.", "Count the lot on the shelf instead.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var strike = db.WorkLog.Add(new WorkEntry {
            WorkId = id, Step = old.Step, At = at, RecordedAt = clock.Now, Note = r.Why!.Trim(), CorrectsId = entry
        }).Entity;
        await db.SaveChangesAsync();
        foreach (var e in laid)
        {
            db.StockEntries.Add(new StockEntry {
                LotId = e.LotId, At = at, RecordedAt = clock.Now, Amount = -e.Amount, Reason = StockReason.Undone, Note = r.Why.Trim(),
                WorkEntryId = strike.Id
            });
        }

        foreach (var layer in await db.HeapLog.ThatStand().AsNoTracking().Where(e => e.WorkEntryId == entry).ToListAsync())
        {
            db.HeapLog.Add(new HeapEntry {
                HeapId = layer.HeapId, Step = layer.Step, At = at, RecordedAt = clock.Now, Note = r.Why.Trim(), CorrectsId = layer.Id
            });
        }

        return Writes.Done(new Kept(strike.Id));
    }
}
