using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.Sheets;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Works;
using MudPie.Server.Lots;
using MudPie.Server.Web;
using MudPie.Server.Works;

namespace MudPie.Server.Sheets;

/// <summary>Lab sheets of beds, fields and mixes: from the sample to what was put on.</summary>
public static class LabSheetEndpoints
{
    /// <summary>What can be asked and done.</summary>
    public static void MapLabSheets(this IEndpointRouteBuilder api)
    {
        api.MapGet("/sheets", All).ForVisitor("Sheets in a line each, and what a new one may choose from.");
        api.MapGet("/sheets/{id:int}", One).ForVisitor("A sheet as it stands.");
        api.MapPost("/sheets/read", Read).ForVisitor("Reads a sheet that was pasted, or the text of a CSV.");
        api.MapPost("/sheets/work-out", WorkOut).ForVisitor("What a bed, a field or a mix is short of, met from the shelf.");
        api.MapPost("/sheets", Keep).ForHand("A sheet is begun, or its result typed.");
        api.MapPost("/sheets/{id:int}/steps", Do).ForHand("A sample is taken, sent; what the sheet asked for is put on; it is ready.");
    }

    private static async Task<Ok<SheetsView>> All(WorkDesk works, SheetDesk desk, HoldingDb db, HoldingClock clock, int? lot, int? bed,
        string? of, int? zone)
    {
        var lines = await works.Lines(WorkKind.Sheet);
        var lots = await db.Lots.AsNoTracking().Where(l => SheetDesk.Tested.Contains(l.Input.Kind) && (l.Id == lot
                || l.Entries.Sum(e => e.Amount) > 0.5))
            .OrderByDescending(l => l.Id == lot).ThenByDescending(l => l.Input.Kind == "mix").ThenByDescending(l => l.Id).Take(60)
            .Select(l => new SheetTarget(l.Id, l.Input.Name + ", " + l.Mark, l.Input.Kind == "mix")).ToListAsync();
        var mix = lot is { } id ? lots.FirstOrDefault(l => l.Id == id) : null;
        var on = bed is { } b ? await db.Beds.AsNoTracking().FirstOrDefaultAsync(x => x.Id == b) : null;
        var shelf = await desk.Shelf();
        List<SheetShelfInput> offered = [.. shelf.Select(s => new SheetShelfInput(s.Id, s.Name, InputContents.For(s.Name) is { } usual
            ? InputContents.Write(usual.Holds) : s.N + s.P2O5 + s.K2O > 0 ? "as labelled" : "", s.PricePerKg is not null))];
        var us = (await clock.Units()).IsUs();
        var kind = mix is not null ? SheetOf.Mix : Words.Read<SheetOf>(of) ?? SheetOf.Bed;
        var what = kind.OfPlant() ? $", {kind.Said()}" : "";
        var name = $"{mix?.Name ?? on?.Name ?? "sheet"}{what}, {Say.Date((await clock.Local())(clock.Now))}";
        return TypedResults.Ok(new SheetsView([.. lines.Select(l => l.Line)], new SheetAsked {
            Name = name.Length > Names.Most ? name[..Names.Most] : name,
            For = kind,
            LotId = mix?.Id,
            BedId = on?.Id,
            ZoneId = on is not null && await db.Zones.AnyAsync(z => z.Id == zone && z.BedId == on.Id) ? zone : null,
            Method = kind == SheetOf.Mix ? Extraction.SaturatedMedia : Extraction.Mehlich3,
            Depth = us ? "6 in" : "15 cm",
            Density = kind == SheetOf.Mix ? "0.4" : "1.3",
            Held = "0.5",
            Crop = CropGroup.Vegetables,
            Inputs = [.. offered.Where(o => o is { Priced: true, Holds.Length: > 0 }).Take(12)
                .Select(o => new SheetInputAsked { InputId = o.Id })],
        }, offered, lots, await LabEndpoints.Labs(db), [.. (await db.Zones.AsNoTracking().Where(z => z.EndedAt == null).OrderBy(z => z.Id)
            .ToListAsync()).Select(z => new SheetZone(z.Id, z.BedId, z.Name))]));
    }

    private static async Task<Results<Ok<LabSheetView>, Missing>> One(int id, HoldingDb db, WorkDesk works, HoldingClock clock)
    {
        if (await db.Works.AsNoTracking().FirstOrDefaultAsync(w => w.Id == id) is not { Sheet: { } asked } work)
        {
            return Problems.NotFound("sheet");
        }

        var (log, shown) = await works.Log(id);
        var stands = SheetCourse.Of(asked, work.BegunAt, WorkDesk.Points(log), (await clock.Local())(clock.Now),
            await PlantingBook.Begun(db, work.BedId, await clock.Local()));
        var (word, figure) = SheetCourse.Short(stands, clock.Now);
        return TypedResults.Ok(new LabSheetView {
            Id = id,
            Version = work.Version,
            Asked = asked,
            State = stands.State,
            Word = $"{word}, {figure}",
            Of = asked.For == SheetOf.Mix
                ? await db.Lots.Where(l => l.Id == asked.LotId).Select(l => l.Input.Name + ", " + l.Mark).FirstOrDefaultAsync()
                : await db.Beds.Where(b => b.Id == asked.BedId).Select(b => b.Name).FirstOrDefaultAsync(),
            Way = [.. new[] { WorkStep.Sampled, WorkStep.Sent, WorkStep.Result, WorkStep.Corrected, WorkStep.Ready }
                .Where(s => s != WorkStep.Corrected || !asked.For.OfPlant()).Select(s =>
                new SheetStepView(s, stands.Dates.Where(d => d.Step == s).Select(d => (DateTimeOffset?)d.At).FirstOrDefault()))],
            PutOn = log.LastOrDefault(e => e.Step == WorkStep.Corrected) is { } put
                ? InUnits.Say(put.What ?? "nothing", await clock.Units()) : null,
            Next = stands.Next,
            How = stands.Sampling ? SamplingPlan.Checklist(asked.For, await clock.Units()) : [],
            Again = stands.Due is { Rule: "again" } again ? $"{again.Title}: {again.Detail}" : null,
            Log = shown,
        });
    }

    private static Results<Ok<Worked<SheetPasted>>, Refused> Read(SheetPasteRequest r) =>
        SheetText.Read(r.Text, r.For ?? SheetOf.Bed) is var read && read.Refused is { } no ? Problems.Of(no) : TypedResults.Ok(read.Worked);

    private static async Task<Results<Ok<Worked<SheetBenchView>>, Refused>> WorkOut(SheetAsked asked, SheetDesk desk, int? id)
    {
        var told = await desk.Tell(asked, id);
        return told.Refused is { } no ? Problems.Of(no) : TypedResults.Ok(told.Worked);
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Keep(SheetKeepRequest r, HoldingDb db, SheetDesk desk, HoldingClock clock,
        Writes writes) => writes.Do<Kept>(async () =>
    {
        if (r.Asked is not { } asked)
        {
            return Refusal.Of("asked", "Nothing was asked.", "Load the page again.");
        }

        var checks = new Checks();
        if ((await desk.WorkOut(asked, r.Id)).Refused is { } no)
        {
            checks.Add(no);
        }

        if (await WorkEndpoints.Found(r.Id, r.Version, WorkKind.Sheet, asked.Name, null, (db, clock, checks)) is not { } work)
        {
            return checks.Refusal;
        }

        // What was put on was put on by the sheet as it was; what is done about a shortfall may be chosen anew.
        asked = asked with {
            Choices = Dated(asked.Choices, work.Sheet?.Choices ?? [],
            DateOnly.FromDateTime((await clock.Local())(clock.Now).DateTime))
        };
        if (work.Sheet is { } was && Only(was) != Only(asked) && await db.WorkLog.ThatStand().AnyAsync(e => e.WorkId == work.Id
            && e.Step == WorkStep.Corrected))
        {
            checks.Add("asked", "It was corrected by this sheet as it is.", "Strike that first, or begin another sheet.");
        }

        var (came, chose) = (asked.Rows.Count > 0 && (work.Sheet?.Rows.Count ?? 0) == 0, SheetCourse.NewlyChosen(work.Sheet, asked));
        (work.Sheet, work.BedId) = (asked, asked.For.OfBed() && asked.For != SheetOf.Field ? asked.BedId : null);
        work.LotId = asked.For == SheetOf.Mix ? asked.LotId : null;
        var saved = await WorkEndpoints.Saved(work, db, checks);
        if (saved.Refused is null && (came || chose is not null))
        {
            var found = SheetBench.Found(asked, await clock.Units());
            WorkEntry Entry(WorkStep step, string? note) => new() {
                WorkId = work.Id, Step = step, At = clock.Now, RecordedAt = clock.Now,
                Note = note, What = step == WorkStep.Result && found.Refused is null ? found.Value.Says : null
            };
            db.WorkLog.AddRange([.. came ? new[] { Entry(WorkStep.Result, null) } : [], .. chose is null ? Array.Empty<WorkEntry>()
                : [Entry(WorkStep.Seen, chose)]]);
            await db.SaveChangesAsync();
        }

        return saved;
    });

    /// <summary>A sheet without what was chosen of it, as text.</summary>
    private static string Only(SheetAsked asked) => System.Text.Json.JsonSerializer.Serialize(asked with { Choices = [] });

    /// <summary>Choices with their days: one that is new comes back on its usual day, where none was named.</summary>
    private static List<ShortfallAsked> Dated(IReadOnlyList<ShortfallAsked> now, IReadOnlyList<ShortfallAsked> before, DateOnly today) =>
        [.. now.Where(c => c.Choice is not null).Select(c => before.FirstOrDefault(b => b.Of == c.Of && b.Choice == c.Choice) is { } old
            ? c.On is null && c.Back is null ? old : c with { On = c.Back == old.Back ? old.On : today }
            : c with { On = today, Back = c.Back is { } back && back > today ? back : SheetKinds.Again(c.Choice!.Value, today) })];

    private static Task<Results<Written<Kept>, Refused, Clash>> Do(int id, WorkStepRequest r, HoldingDb db, SheetDesk desk,
        StockKeeper stock,
        HoldingClock clock, Writes writes) => writes.Do<Kept>(async () =>
    {
        if (await db.Works.AsNoTracking().FirstOrDefaultAsync(w => w.Id == id) is not { Sheet: { } asked } work || r.Did is not { } did)
        {
            return Refusal.Of(r.Did is null ? "did" : "id", r.Did is null ? "Nothing was said." : "It is not there any more.",
                "Load the page again.");
        }

        var checks = new Checks();
        var at = checks.Past("at", r.At, clock.Now);
        var log = await db.WorkLog.ThatStand().AsNoTracking().Where(e => e.WorkId == id).ToListAsync();
        var answer = did.Step is WorkStep.Corrected or WorkStep.Ready ? await desk.WorkOut(asked) : Refusal.Of("", "", "");
        var deed = SheetCourse.Do(did, SheetCourse.Of(asked, work.BegunAt, WorkDesk.Points(log), clock.Now),
            answer.Refused is null ? answer.Value : null, at);
        if (deed.Refused is { } no || !checks.Sound)
        {
            return deed.Refused is { } wrong ? checks.Add(wrong).Refusal : checks.Refusal;
        }

        var entry = db.WorkLog.Add(WorkEntry.Of(id, deed.Value, clock.Now)).Entity;
        await db.SaveChangesAsync();
        if (did.Step == WorkStep.Corrected && answer.Refused is null)
        {
            await Take(answer.Value, entry, work.Name, db, stock);
        }

        return Writes.Done(new Kept(entry.Id));
    });

    /// <summary>What was put on leaves the shelf, oldest good lot first; what was never counted has no book to fall.</summary>
    private static async Task Take(SheetAnswer answer, WorkEntry entry, string note, HoldingDb db, StockKeeper stock)
    {
        var taken = new Dictionary<int, double>();
        foreach (var given in answer.Given.Where(g => g.KgPerHa > 0 && g.InputId is not null))
        {
            var input = await db.Inputs.AsNoTracking().FirstAsync(i => i.Id == given.InputId);
            if (!await db.Lots.AnyAsync(l => l.InputId == input.Id))
            {
                continue;
            }

            var kg = answer.Total(given.KgPerHa);
            var draw = await stock.PlanAfter(input.Id, StockKeeper.UnitOf(input) == "kg" ? kg : kg / given.KgPerL, entry.At, taken);
            await stock.WriteUse(input.Id, draw, entry.At, note);
            foreach (var e in db.StockEntries.Local.Where(e => e.Id == 0 && e.WorkEntryId is null))
            {
                e.WorkEntryId = entry.Id;
            }
        }
    }
}
