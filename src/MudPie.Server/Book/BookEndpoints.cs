using Microsoft.EntityFrameworkCore;
using MudPie.Core.Book;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Book;
using MudPie.Records.PuttingOut;
using MudPie.Server.Lots;
using MudPie.Server.Web;

namespace MudPie.Server.Book;

/// <summary>An entry of the book.</summary>
/// <param name="Kind">"job", "harvest", "seen", "batch", "mix", "heap", "heapStep", "work", "field", "check" or "stock".</param>
/// <param name="Id">Its number within its kind.</param>
/// <param name="At">When it was so.</param>
/// <param name="RecordedAt">When it was written down.</param>
/// <param name="Title">In a few words.</param>
/// <param name="Lines">The rest.</param>
/// <param name="Beds">Beds it touched.</param>
/// <param name="CorrectsId">The entry that it puts right.</param>
/// <param name="CorrectedBy">The entry that puts it right.</param>
/// <param name="CorrectionWhy">What was wrong.</param>
/// <param name="Struck">It never happened, or it strikes one that never did.</param>
/// <param name="CanRight">It can be put right through the tank.</param>
/// <param name="Link">Where more of it is.</param>
/// <param name="BedId">The one bed of a harvest or a sighting.</param>
/// <param name="By">Who wrote it; null where nobody had to sign in.</param>
public sealed record BookEntry(
    string Kind, int Id, DateTimeOffset At, DateTimeOffset RecordedAt, string Title, IReadOnlyList<string> Lines,
    IReadOnlyList<string> Beds, int? CorrectsId, int? CorrectedBy, string? CorrectionWhy, bool Struck, bool CanRight, string? Link,
    int? BedId = null, string? By = null);

/// <summary>A page of the book.</summary>
public sealed record BookView(IReadOnlyList<BookEntry> Entries, int Page, bool More);

/// <summary>Why an entry is struck.</summary>
public sealed record StrikeRequest(string? Why);

/// <summary>A harvest as typed.</summary>
public sealed record HarvestRequest(int? BedId, string? Weight, string? Note, DateTimeOffset? At, int? CorrectsId = null);

/// <summary>Something seen, as typed.</summary>
public sealed record SeenRequest(int? BedId, string? Text, DateTimeOffset? At, int? CorrectsId = null);

/// <summary>A bed's season, summed.</summary>
public sealed record SeasonBed(int BedId, string Bed, string Crop, string AreaShown, int Jobs, string BrewShown, string MixShown,
    string HarvestShown, Worked<NutrientSum> Nutrients, string NpkShown);

/// <summary>A season's record.</summary>
/// <param name="Water">Rain by the gauge, and watering.</param>
/// <param name="Looked">Walks, readings, counts and sheets, with what they cost; null for none.</param>
public sealed record SeasonView(int Year, IReadOnlyList<int> Years, IReadOnlyList<SeasonBed> Beds, IReadOnlyList<SeasonInput> Inputs,
    string? Water, string? Looked);

/// <summary>What went out of one input in a season.</summary>
public sealed record SeasonInput(string Name, string AmountShown, int Jobs, IReadOnlyList<string> Beds);

/// <summary>The book: everything that happened.</summary>
public static class BookEndpoints
{
    private const int PageSize = 40;

    /// <summary>What can be done.</summary>
    public static void MapBook(this IEndpointRouteBuilder api)
    {
        api.MapGet("/book", Read).ForVisitor("The book: what was done, seen and harvested, newest first.");
        api.MapYear();
        api.MapPost("/book/jobs/{id:int}/strike", Strike).ForHand("Strikes a job out, and says why; it stays readable.");
        api.MapPost("/book/harvests", KeepHarvest).ForHand("Writes down a harvest, or puts one right.");
        api.MapPost("/book/seen", KeepSeen).ForHand("Writes down what was seen, or puts it right.");
        api.MapGet("/book/season", BookSeason.Read).ForVisitor("The season in sums: brews, jobs, harvests.");
    }

    private static async Task<Ok<BookView>> Read(HoldingDb db, HoldingClock clock, int? bed = null, int? input = null, string? kind = null,
        int page = 0, DateOnly? to = null)
    {
        var units = await clock.Units();
        var local = await clock.Local();
        // the whole of that day there
        var until = to is { Year: > 1 and < 9999 } day && LocalTimes.Of(day.AddDays(1).ToDateTime(TimeOnly.MinValue), local)
            is [var midnight, ..] ? midnight : DateTimeOffset.MaxValue;
        var take = ((Math.Max(page, 0) + 1) * PageSize) + 1;
        var entries = new List<BookEntry>();
        if (kind is null or "job")
        {
            entries.AddRange(await Jobs(db, units, bed, input, take, until));
        }

        if (input is null && kind is null or "harvest")
        {
            var corrected = (await db.Harvests.AsNoTracking().Where(h => h.CorrectsId != null).ToListAsync()).RightedBy();
            entries.AddRange((await db.Harvests.AsNoTracking().Where(h => h.At < until && (bed == null || h.BedId == bed))
                .OrderByDescending(h => h.At)
                .Take(take).Select(h => new { h, Bed = h.Bed.Name }).ToListAsync())
                .Select(x => new BookEntry("harvest", x.h.Id, x.h.At, x.h.RecordedAt,
                    $"{Units.Show(x.h.Kg * 1000, Dimension.Mass, units)} of {x.h.Crop} harvested",
                    [.. new[] { AsTyped.Beside(x.h.Typed, Units.Show(x.h.Kg * 1000, Dimension.Mass, units)), x.h.Note }.OfType<string>()],
                    [x.Bed], x.h.CorrectsId, corrected.TryGetValue(x.h.Id, out var by) ? by : null, null, false, true, null, x.h.BedId)));
        }

        if (input is null && kind is null or "seen")
        {
            var corrected = (await db.Observations.AsNoTracking().Where(o => o.CorrectsId != null).ToListAsync()).RightedBy();
            entries.AddRange((await db.Observations.AsNoTracking().Where(o => o.At < until && (bed == null || o.BedId == bed))
                .OrderByDescending(o => o.At)
                .Take(take).Select(o => new { o, Bed = o.Bed == null ? null : o.Bed.Name }).ToListAsync())
                .Select(x => new BookEntry("seen", x.o.Id, x.o.At, x.o.RecordedAt, x.o.Text, [], x.Bed is null ? [] : [x.Bed],
                    x.o.CorrectsId, corrected.TryGetValue(x.o.Id, out var by) ? by : null, null, false, true, null, x.o.BedId)));
        }

        if (kind is null or "batch")
        {
            entries.AddRange((await db.Batches.AsNoTracking()
                .Where(b => b.StartedAt != null && b.StartedAt < until && (bed == null || b.Beds.Any(x => x.BedId == bed))
                    && (input == null || b.SourceInputId == input || db.StockEntries.Any(e => e.BatchId == b.Id && e.Lot.InputId == input)))
                    .OrderByDescending(b => b.StartedAt).Take(take)
                    .Select(b => new {
                        b.Id, b.Name, b.Making, b.BrewL, b.StartedAt, b.State, Vessel = b.Vessel.Name,
                        Beds = b.Beds.Select(x => x.Bed.Name).ToList(), Heaped = b.Log.Where(l => l.Kind == LogKind.Heaped)
                            .Select(l => l.Text).FirstOrDefault()
                    }).ToListAsync())
                .Select(b => new BookEntry("batch", b.Id, b.StartedAt!.Value, b.StartedAt.Value, $"{b.Name} begun in {b.Vessel}",
                    [$"{Units.Show(b.BrewL, Dimension.Volume, units)} of {b.Making.Word()}", .. b.Heaped is null
                        ? Array.Empty<string>() : [$"heaped: {b.Heaped}"]], b.Beds, null, null, null, false, false, $"/brew/{b.Id}")));
        }

        entries.AddRange(input is null && kind is null or "field" ? await BookOfGround.Entries(db, clock, bed, take, until) : []);
        if (kind is null or "mix")
        {
            entries.AddRange([.. await Mixed(db, units, bed, input, take, until), .. await BookOfWorks.Entries(db, units, bed, input, take,
                until),
                .. bed is null ? await Heaped(db, units, input, take, until) : []]);
        }

        var ordered = entries.OrderByDescending(e => e.At).ThenByDescending(e => e.Id).Skip(Math.Max(page, 0) * PageSize)
            .Take(PageSize + 1).ToList();
        return TypedResults.Ok(new BookView(await BookBy.Told(db, [.. ordered.Take(PageSize)]), page, ordered.Count > PageSize));
    }

    /// <summary>Steps of mixing: charged, mixed, filled in; looks at a charge stay on its own page.</summary>
    private static async Task<IEnumerable<BookEntry>> Mixed(HoldingDb db, UnitSystem units, int? bed, int? input, int take,
        DateTimeOffset until)
    {
        var undone = (await db.MixLog.AsNoTracking().Where(e => e.CorrectsId != null).Select(e => new { e.CorrectsId, e.Id, e.Note })
            .ToListAsync()).ToDictionary(e => e.CorrectsId!.Value);
        return (await db.MixLog.AsNoTracking().Where(e => e.CorrectsId == null && e.Step != MixStep.Checked && e.At < until
                && (bed == null || e.BedId == bed)
                && (input == null || db.StockEntries.Any(s => s.MixEntryId == e.Id && s.Lot.InputId == input)))
            .OrderByDescending(e => e.At).Take(take).Select(e => new { e, e.Mix.Name, Bed = e.Bed == null ? null : e.Bed.Name })
                .ToListAsync())
            .Select(x => new BookEntry("mix", x.e.Id, x.e.At, x.e.RecordedAt, $"{x.Name}: {InUnits.Say(x.e.Text, units)}",
                [.. new[] { x.e.Note }.OfType<string>()], x.Bed is null ? [] : [x.Bed], null,
                undone.TryGetValue(x.e.Id, out var by) ? by.Id : null, by?.Note, by is not null, false, $"/make/mix/{x.e.MixId}"));
    }

    /// <summary>Heaps that were built, judged cured and taken up; what was measured stays on their own pages.</summary>
    private static async Task<IEnumerable<BookEntry>> Heaped(HoldingDb db, UnitSystem units, int? input, int take, DateTimeOffset until)
    {
        var built = input is not null ? [] : await db.Heaps.AsNoTracking().Where(h => h.BuiltAt < until).OrderByDescending(h => h.BuiltAt)
            .Take(take).Select(h => new BookEntry("heap", h.Id, h.BuiltAt, h.BuiltAt, h.Name + " built", new List<string>(),
                new List<string>(), null, null, null, false, false, "/make/heap/" + h.Id, null)).ToListAsync();
        var struck = (await db.HeapLog.AsNoTracking().Where(e => e.CorrectsId != null).Select(e => new { e.CorrectsId, e.Id, e.Note })
            .ToListAsync()).ToDictionary(e => e.CorrectsId!.Value);
        var done = await db.HeapLog.AsNoTracking().Where(e => e.CorrectsId == null && e.At < until
                && (e.Step == HeapStep.Cured || e.Step == HeapStep.Sieved)
                && (input == null || db.StockEntries.Any(s => s.HeapEntryId == e.Id && s.Lot.InputId == input)))
            .OrderByDescending(e => e.At).Take(take).Select(e => new { e, e.Heap.Name }).ToListAsync();
        return built.Concat(done.Select(x => new BookEntry("heapStep", x.e.Id, x.e.At, x.e.RecordedAt, x.e.Step == HeapStep.Cured
                ? $"{x.Name} judged cured" : $"{x.Name} taken up, {Units.Show(x.e.Litres ?? 0, Dimension.Volume, units)}",
            [.. new[] { x.e.Note }.OfType<string>()], [], null, struck.TryGetValue(x.e.Id, out var by) ? by.Id : null, by?.Note,
            by is not null, false, $"/make/heap/{x.e.HeapId}")));
    }

    /// <summary>Worms and burns: trays harvested, liquid drawn off, fires lit, quenched and measured, food laid on a bed; the rest stays on
    /// their own pages.</summary>
    private static async Task<IEnumerable<BookEntry>> Jobs(HoldingDb db, UnitSystem units, int? bed, int? input, int take,
        DateTimeOffset until)
    {
        var corrected = (await db.Applications.Where(a => a.CorrectsId != null).Select(a => new { a.CorrectsId, a.Id, a.Strikes })
            .ToListAsync()).GroupBy(a => a.CorrectsId!.Value).ToDictionary(g => g.Key, g => g.MaxBy(a => a.Id)!);
        var rows = await db.Applications.AsNoTracking().AsSplitQuery()
            .Where(a => a.At < until && (bed == null || a.Beds.Any(b => b.BedId == bed))
                && (input == null || a.Items.Any(i => i.InputId == input)
                    || (a.Batch != null
                        && (a.Batch.SourceInputId == input || db.StockEntries.Any(e => e.BatchId == a.BatchId && e.Lot.InputId == input)))))
            .OrderByDescending(a => a.At).Take(take)
            .Select(a => new {
                a, Batch = a.Batch == null ? null : a.Batch.Name,
                Beds = a.Beds.Select(b => new { b.Bed.Name, b.TotalL, b.TeaL }).ToList(),
                Items = a.Items.Select(i => new { i.Name, i.Lot, i.Amount, i.Unit }).ToList(),
                Washed = db.Washes.Where(w => w.ApplicationId == a.Id).Select(w => (DateTimeOffset?)w.At).FirstOrDefault()
            }).ToListAsync();
        return rows.Select(x =>
        {
            var a = x.a;
            string L(double litres) => Units.Show(litres, Dimension.Volume, units);
            List<string> lines = [];
            if (x.Batch is not null)
            {
                lines.Add($"{L(a.TeaL)} of {x.Batch}, {Dilutions.Read(a.Dilution).Match(d => d.Value.BothWays, _ => a.Dilution)}; "
                    + $"gate: {a.Fitness}");
            }

            lines.AddRange(x.Items.Select(i =>
                $"{StockKeeper.Shown(i.Amount, i.Unit, units)} of {i.Name}{(i.Lot is null ? "" : $", lot {i.Lot}")}"));
            lines.AddRange(x.Beds.Select(b => $"{b.Name}: {L(b.TotalL)}"));
            lines.Add($"by {a.Tool}{(a.Who is null ? "" : $", {a.Who}")}{(a.Weather is null ? "" : $"; {InUnits.Say(a.Weather, units)}")}"
                + $"{(x.Washed is null ? "" : "; washed up")}");
            lines.AddRange(new[] { a.Why is null ? null : $"why: {a.Why}", a.OverrideWhy is null
                ? null : $"put out though it failed: {a.OverrideWhy}", a.MixWhy is null ? null : $"mixed against a rule: {a.MixWhy}",
                a.CautionsSeen.Length == 0
                    ? null : $"cautions ticked: {a.CautionsSeen.Replace(" ", ", ", StringComparison.Ordinal)}" }.OfType<string>());
            var what = Say.List([.. new[] { x.Batch }.OfType<string>(), .. x.Items.Select(i => i.Name).Distinct()]);
            var by = corrected.GetValueOrDefault(a.Id);
            return new BookEntry("job", a.Id, a.At, a.RecordedAt, a.Strikes ? $"Struck: entry {a.CorrectsId} never happened"
                : $"{what} on {(a.Solid ? "the ground" : a.Purpose == Purpose.Leaf ? "leaves" : "roots")}", a.Strikes ? [] : lines,
                    [.. x.Beds.Select(b => b.Name)],
                a.CorrectsId, by?.Id, a.CorrectionWhy, a.Strikes || by is { Strikes: true }, a is { Asked: not null, Strikes: false }
                    && by is null, a.BatchId is { } batch ? $"/brew/{batch}" : null);
        });
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Strike(int id, StrikeRequest r, HoldingDb db, HoldingClock clock,
        StockKeeper stock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var old = await db.Applications.ThatStand().FirstOrDefaultAsync(a => a.Id == id);
        var deed = BookDeeds.Strike(old is not null, r.Why);
        if (deed.Refused is { } refused)
        {
            return refused;
        }

        var why = deed.Value;
        await stock.GiveBack(id, clock.Now, why);
        foreach (var giving in await db.Givings.Where(g => g.ApplicationId == id).ToListAsync())
        {
            giving.ApplicationId = null;
        }

        if (old!.BatchId is { } batchId && await db.Batches.FindAsync(batchId) is { State: BatchState.Used } batch)
        {
            batch.State = BatchState.Off;
        }

        var strike = new Application {
            At = old.At, RecordedAt = clock.Now, Purpose = old.Purpose, Dilution = "", Tool = "",
            Fitness = "none", CautionsSeen = "", CorrectsId = id, CorrectionWhy = why, Strikes = true
        };
        db.Applications.Add(strike);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(strike.Id));
    });

    private static Task<Results<Written<Kept>, Refused, Clash>> KeepHarvest(HarvestRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var crop = await PlantingBook.CropAt(db, r.BedId, r.At ?? clock.Now);
        var righted = new Righted(r.CorrectsId, await db.Harvests.ThatStand().AnyAsync(h => h.Id == r.CorrectsId));
        var deed = BookDeeds.Harvest(crop, BookDeeds.Weight(r.Weight, await clock.Units()), r.Note, r.At, righted, clock.Now);
        if (deed.Refused is { } refused)
        {
            return refused;
        }

        var kept = HarvestEntry.Of(deed.Value, r.BedId!.Value, r.CorrectsId, clock.Now);
        db.Harvests.Add(kept);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(kept.Id));
    });

    private static Task<Results<Written<Kept>, Refused, Clash>> KeepSeen(SeenRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var righted = new Righted(r.CorrectsId, await db.Observations.ThatStand().AnyAsync(o => o.Id == r.CorrectsId));
        var deed = BookDeeds.Sight(r.Text, r.BedId is null || await db.Beds.AnyAsync(b => b.Id == r.BedId), r.At, righted, clock.Now);
        if (deed.Refused is { } refused)
        {
            return refused;
        }

        var kept = Observation.Of(deed.Value, r.BedId, r.CorrectsId, clock.Now);
        db.Observations.Add(kept);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(kept.Id));
    });
}
