using Microsoft.EntityFrameworkCore;
using MudPie.Core.Mixing;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Mixing;
using MudPie.Records.Shelf;
using MudPie.Server.Web;

namespace MudPie.Server.Mixing;

/// <summary>Steps at a heap, and what is taken up of it.</summary>
internal static class HeapSteps
{
    /// <summary>A step is written; what is sieved becomes a lot of compost. To be called within a write.</summary>
    public static async Task<Ruling<Kept>> Write(int id, HeapStepRequest r, HoldingDb db, HeapDesk desk, HoldingClock clock)
    {
        if (await db.Heaps.AsNoTracking().FirstOrDefaultAsync(h => h.Id == id) is not { } heap)
        {
            return Refusal.Of("id", "It is not there any more.", "Load the page again.");
        }

        var checks = new Checks();
        var at = checks.Past("at", r.At, clock.Now);
        if (at < heap.BuiltAt.AddMinutes(-5))
        {
            checks.Add("at", "It was not built yet.", "Give a time after it was built.");
        }

        var log = await db.HeapLog.ThatStand().AsNoTracking().Where(e => e.HeapId == id).ToListAsync();
        var deed = HeapDeeds.Do(new HeapStepAsked(r.Step, r.Warmth, r.Amount, r.Note), (await desk.Stands(heap, log)).Value,
            await clock.Units(), at);
        if (deed.Refused is { } no || !checks.Sound)
        {
            return deed.Refused is { } wrong ? checks.Add(wrong).Refusal : checks.Refusal;
        }

        var done = deed.Value;
        var entry = db.HeapLog.Add(new HeapEntry {
            HeapId = id, Step = done.Step, At = at, RecordedAt = clock.Now, Celsius = done.Celsius, Litres = done.Litres,
            Typed = done.Typed,
            Note = done.Note
        }).Entity;
        await db.SaveChangesAsync();
        if (done.Step == HeapStep.Sieved)
        {
            var name = $"compost, {heap.Name}";
            var input = await db.Inputs.FirstOrDefaultAsync(i => i.Name == name && i.Kind == "compost")
                ?? db.Inputs.Add(new Input { Name = name, Kind = "compost", Unit = "L", Lot = heap.Name }).Entity;
            await db.SaveChangesAsync();
            var same = await db.Lots.CountAsync(l => l.InputId == input.Id);
            var lot = db.Lots.Add(new StockLot {
                InputId = input.Id, Mark = same == 0 ? heap.Name : $"{heap.Name}, {same + 1}", Origin = LotOrigin.Made, From = at,
                Place = heap.Asked.Place, HeapId = id, Notes = done.Note
            }).Entity;
            await db.SaveChangesAsync();
            var came = StockEntry.Of(new StockChange(lot.Id, done.Litres!.Value, StockReason.In, Typed: done.Typed), at, clock.Now);
            came.HeapEntryId = entry.Id;
            db.StockEntries.Add(came);
        }

        return Writes.Done(new Kept(entry.Id));
    }

    /// <summary>An entry is struck; what it laid on the shelf is taken out again, as long as it is all there.</summary>
    public static async Task<Ruling<Kept>> Strike(int id, int entry, HeapStrikeRequest r, HoldingDb db, HoldingClock clock)
    {
        if (await db.HeapLog.ThatStand().AsNoTracking().FirstOrDefaultAsync(e => e.HeapId == id && e.Id == entry) is not { } old)
        {
            return Refusal.Of("id", "It is not there any more, or was struck already.", "Load the page again.");
        }

        var checks = new Checks();
        var at = checks.Past("at", r.At, clock.Now);
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        if (string.IsNullOrWhiteSpace(r.Why) || r.Why.Length > 300)
        {
            return Refusal.Of("why", "Nothing was written, or too much.", "Say in a few words what was wrong.");
        }

        if (old.WorkEntryId is not null)
        {
            return Refusal.Of("id", "It was carried here from a burn.", "Strike the can at its burn; the layer goes with it.");
        }

        var laid = await db.StockEntries.AsNoTracking().Where(e => e.HeapEntryId == entry)
            .Select(e => new { e.LotId, e.Amount, Left = e.Lot.Entries.Sum(x => x.Amount) }).ToListAsync();
        if (laid.Any(e => e.Left < e.Amount - 1e-6))
        {
            return Refusal.Of("id", "Something was taken since of what came of it.", "Count the lot on the shelf instead.");
        }

        var strike = db.HeapLog.Add(new HeapEntry {
            HeapId = id, Step = old.Step, At = at, RecordedAt = clock.Now, Note = r.Why.Trim(), CorrectsId = entry
        }).Entity;
        await db.SaveChangesAsync();
        foreach (var e in laid)
        {
            db.StockEntries.Add(new StockEntry {
                LotId = e.LotId, At = at, RecordedAt = clock.Now, Amount = -e.Amount, Reason = StockReason.Undone,
                Note = r.Why.Trim(),
                HeapEntryId = strike.Id
            });
        }

        return Writes.Done(new Kept(strike.Id));
    }
}
