using Microsoft.EntityFrameworkCore;
using MudPie.Core.Mixing;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Mixing;
using MudPie.Records.Shelf;
using MudPie.Server.Lots;
using MudPie.Server.Web;

namespace MudPie.Server.Mixing;

/// <summary>Steps of a job of mixing: what they take from the shelf, and the lots that they make.</summary>
internal static class MixSteps
{
    /// <summary>A step is done.</summary>
    public static Task<Results<Written<Kept>, Refused, Clash>> Do(int id, MixStepRequest r, HoldingDb db, MixDesk desk, HoldingClock clock,
        StockKeeper stock, Writes writes) => writes.Do<Kept>(async () =>
    {
        if (await db.Mixes.AsNoTracking().FirstOrDefaultAsync(m => m.Id == id) is not { } job)
        {
            return Refusal.Of("id", "It is not there any more.", "Load the page again.");
        }

        var checks = new Checks();
        var steps = await desk.Steps(id);
        var at = checks.Past("at", r.At, clock.Now);
        if (steps.Count > 0 && at < steps[^1].At)
        {
            checks.Add("at", "The step before it was done later.", "Give a time after it.");
        }

        if (r.BedId is { } bed && !await db.Beds.AnyAsync(b => b.Id == bed))
        {
            checks.Add("bedId", "That bed is not there any more.", "Choose another, or none.");
        }

        var known = await desk.Known(steps);
        var read = MixReading.Read(job.Asked, known);
        var bench = read.Refused is { } unread ? unread : MixDesk.Bench(read.Value);
        if (bench.Refused is { } no)
        {
            return checks.Add(no).Refusal;
        }

        var deed = MixDeeds.Do(new MixStepAsked(r.Step, r.Damp, r.Note), steps, bench.Value, at, job.Asked.RawWhy);
        if (deed.Refused is { } refused || !checks.Sound)
        {
            return deed.Refused is { } wrong ? checks.Add(wrong).Refusal : checks.Refusal;
        }

        var done = deed.Value;
        var entry = new MixEntry {
            MixId = id, Step = done.Step, At = at, RecordedAt = clock.Now, Damp = done.Damp, Text = done.Says, Note = done.Note,
            BedId = done.Step == MixStep.Filled ? r.BedId ?? job.Asked.BedId : null,
        };
        db.MixLog.Add(entry);
        await db.SaveChangesAsync();
        var stocked = new Stocking(db, stock, job, known with { Today = await desk.Day(at) }, entry, clock.Now);
        await stocked.Take(done.Takes);
        await stocked.Blend(done, bench.Value.Charge);
        await stocked.Mixes(done);
        return Writes.Done(new Kept(entry.Id));
    });

    /// <summary>The newest step is undone: what it took goes back, what it made is taken out.</summary>
    public static Task<Results<Written<Kept>, Refused, Clash>> Undo(int id, int step, MixUndoRequest r, HoldingDb db, MixDesk desk,
        HoldingClock clock, Writes writes) => writes.Do<Kept>(async () =>
    {
        var checks = new Checks();
        var at = checks.Past("at", r.At, clock.Now);
        var undone = MixDeeds.Undo(step, await desk.Steps(id), r.Why);
        if (undone.Refused is not null || !checks.Sound)
        {
            return undone.Refused is { } no ? checks.Add(no).Refusal : checks.Refusal;
        }

        var made = await db.StockEntries.AsNoTracking().Where(e => e.MixEntryId == step)
            .Select(e => new { e.LotId, e.Amount, e.Reason, Left = e.Lot.Entries.Sum(x => x.Amount) }).ToListAsync();
        if (made.Any(e => e.Reason == StockReason.In && e.Left < e.Amount - 1e-6))
        {
            return Refusal.Of("id", "Something was taken since of what this step made.",
                "Give that back first, or count the lot on the shelf.");
        }

        var entry = new MixEntry {
            MixId = id, Step = undone.Value.Step, At = at, RecordedAt = clock.Now, Text = "undone", Note = r.Why!.Trim(),
            CorrectsId = step
        };
        db.MixLog.Add(entry);
        await db.SaveChangesAsync();
        foreach (var e in made)
        {
            db.StockEntries.Add(new StockEntry {
                LotId = e.LotId, At = at, RecordedAt = clock.Now, Amount = -e.Amount, Reason = StockReason.Undone,
                Note = r.Why.Trim(),
                MixEntryId = entry.Id
            });
        }

        return Writes.Done(new Kept(entry.Id));
    });

    /// <summary>One step at the shelf.</summary>
    private sealed class Stocking(HoldingDb db, StockKeeper stock, MixJob job, MixKnown known, MixEntry entry, DateTimeOffset now)
    {
        /// <summary>Parts leave the shelf, oldest good lot first; what was never counted has no book to fall.</summary>
        public async Task Take(IReadOnlyList<PartAmount> parts)
        {
            var taken = new Dictionary<int, double>();
            foreach (var part in parts)
            {
                if (job.Asked.Parts.Select(p => p.InputId).FirstOrDefault(i => i is { } id
                    && known.Shelf[id].Name == part.Name) is not { } on
                    || !await db.Lots.AnyAsync(l => l.InputId == on))
                {
                    continue;
                }

                var input = await db.Inputs.AsNoTracking().FirstAsync(i => i.Id == on);
                var amount = StockKeeper.UnitOf(input) == "L" ? part.Litres
                    : part.Litres * (input.Density ?? Materials.For(input.Kind, input.Name)?.KgPerL ?? 1);
                var draw = await stock.PlanAfter(on, amount, entry.At, taken);
                await stock.WriteUse(on, draw, entry.At, job.Name);
                foreach (var e in db.StockEntries.Local.Where(e => e.Id == 0 && e.MixEntryId is null))
                {
                    e.MixEntryId = entry.Id; // what the book was short of too: undone, it never was
                    e.Reason = e.Reason == StockReason.Used ? StockReason.Made : e.Reason;
                }
            }
        }

        /// <summary>The charge becomes a lot, and falls as it is mixed.</summary>
        public async Task Blend(MixStepDone done, ChargePlan? charge)
        {
            if (done.Blend is not { } blend || charge is null)
            {
                return;
            }

            if (done.Step == MixStep.Charged)
            {
                await Make(blend.Name, "chargedChar", $"{job.Name}, {Say.Date(known.Today)}", blend.Litres,
                    $"{Say.Number(charge.OfL)} L of {charge.Of} in {Say.Number(charge.WithL)} L of {charge.With}");
            }
            else if (await db.Lots.Where(l => l.MixId == job.Id && l.Input.Kind == "chargedChar").OrderByDescending(l => l.Id)
                .Select(l => (int?)l.Id).FirstOrDefaultAsync() is { } lot)
            {
                await Fall(lot, blend.Litres, StockReason.Made);
            }
        }

        /// <summary>Mixes become lots, and fall as they are filled in.</summary>
        public async Task Mixes(MixStepDone done)
        {
            foreach (var mix in done.Makes)
            {
                var name = $"{job.Name}: {mix.Name}";
                if (done.Step == MixStep.Mixed)
                {
                    await Make(name.Length > Names.Most ? name[..Names.Most] : name, "mix", $"{Say.Date(known.Today)}", mix.Litres,
                        $"mixed as “{mix.Name}” of {job.Name}");
                }
                else if (await db.Lots.Where(l => l.MixId == job.Id && l.Input.Kind == "mix"
                    && l.Notes == $"mixed as “{mix.Name}” of {job.Name}")
                    .OrderByDescending(l => l.Id).Select(l => (int?)l.Id).FirstOrDefaultAsync() is { } lot)
                {
                    await Fall(lot, mix.Litres, StockReason.Used);
                }
            }
        }

        private async Task Make(string name, string kind, string mark, double litres, string notes)
        {
            var input = await db.Inputs.FirstOrDefaultAsync(i => i.Name == name && i.Kind == kind)
                ?? db.Inputs.Add(new Input { Name = name, Kind = kind, Unit = "L" }).Entity;
            await db.SaveChangesAsync();
            var marks = await db.Lots.Where(l => l.InputId == input.Id && l.Mark.StartsWith(mark)).Select(l => l.Mark).ToListAsync();
            var lot = db.Lots.Add(new StockLot {
                InputId = input.Id, Mark = marks.Count == 0 ? mark : $"{mark}, {marks.Count + 1}", Origin = LotOrigin.Made, From = entry.At,
                Notes = notes, MixId = job.Id
            }).Entity;
            await db.SaveChangesAsync();
            Add(lot.Id, litres, StockReason.In);
        }

        /// <summary>A lot falls; where its book held less, an entry of its own says that there was more.</summary>
        private async Task Fall(int lot, double litres, StockReason reason)
        {
            var left = await db.StockEntries.Where(e => e.LotId == lot).SumAsync(e => e.Amount);
            if (left < litres - 1e-6)
            {
                Add(lot, litres - left, StockReason.More);
            }

            Add(lot, -litres, reason);
        }

        private void Add(int lot, double amount, StockReason reason)
        {
            var added = StockEntry.Of(new StockChange(lot, amount, reason, job.Name), entry.At, now);
            added.MixEntryId = entry.Id;
            db.StockEntries.Add(added);
        }
    }
}
