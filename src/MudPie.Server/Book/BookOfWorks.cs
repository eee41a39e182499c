using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.Sheets;
using MudPie.Core.Workings;
using MudPie.Core.Works;
using MudPie.Records;
using MudPie.Server.Web;

namespace MudPie.Server.Book;

/// <summary>What was done at the works of the yard, sheets among them, in the book; and what looking cost in a season.</summary>
internal static class BookOfWorks
{
    /// <summary>Entries, newest first.</summary>
    public static async Task<IEnumerable<BookEntry>> Entries(HoldingDb db, UnitSystem units, int? bed, int? input, int take,
        DateTimeOffset until)
    {
        WorkStep[] told = [WorkStep.Harvested, WorkStep.Leachate, WorkStep.Lit, WorkStep.Quenched, WorkStep.Measured, WorkStep.Carried,
            WorkStep.Sampled, WorkStep.Result, WorkStep.Corrected,
            WorkStep.Pooled, WorkStep.Hung, WorkStep.Buried, WorkStep.Lifted, WorkStep.Pressed, WorkStep.Stirred,
            WorkStep.Given];
        var struck = (await db.WorkLog.AsNoTracking().Where(e => e.CorrectsId != null).Select(e => new { e.CorrectsId, e.Id, e.Note })
            .ToListAsync()).ToDictionary(e => e.CorrectsId!.Value);
        return (await db.WorkLog.AsNoTracking().Where(e => e.CorrectsId == null && e.At < until
                && (told.Contains(e.Step) || (e.Step == WorkStep.Fed && e.Work.BedId != null))
                && (bed == null || e.Work.BedId == bed)
                && (input == null || db.StockEntries.Any(s => s.WorkEntryId == e.Id && s.Lot.InputId == input)))
            .OrderByDescending(e => e.At).Take(take)
            // a sheet’s cost and kind are read from the sheet itself
            .Select(e => new {
                e, e.Work.Name, e.Work.Kind, e.Work.Sheet, Bed = db.Beds.Where(b => b.Id == e.Work.BedId).Select(b => b.Name)
                .FirstOrDefault()
            })
            .ToListAsync())
            .Select(x => new BookEntry("work", x.e.Id, x.e.At, x.e.RecordedAt,
                $"{x.Name}: {InUnits.Say(WorkSays.Done(x.e.Point()), units)}",
                [.. new[] { x.e.Step == WorkStep.Result ? Test(x.Sheet) : null, x.e.Note }.OfType<string>()], x.Bed is null ? []
                    : [x.Bed], null,
                struck.TryGetValue(x.e.Id, out var by) ? by.Id : null, by?.Note, by is not null, false,
                WorkPages.Of(x.Kind, x.e.WorkId)));
    }

    /// <summary>A sheet that came: of what, by whom, for how much.</summary>
    private static string? Test(SheetAsked? sheet) => sheet is null ? null
        : $"a sheet of {sheet.For.Said()}{(string.IsNullOrWhiteSpace(sheet.Lab) ? "" : $" by {sheet.Lab.Trim()}")}, "
            + (Cost(sheet) is { } cost ? $"cost {Say.Money(cost)}" : "cost not known");

    private static double? Cost(SheetAsked? sheet) => sheet is null ? null : TypedNumber.Of(sheet.Cost ?? "", pointIsDecimal: true).Value;

    /// <summary>What was looked at in a span, and what it cost; null for nothing.</summary>
    /// <remarks>"8 days at pegs, 31 leaf readings, 3 counts of pests, 2 sheets of a lab for 67.00, 4 stirrings". Money unknown is said, and
    /// never 0.</remarks>
    public static async Task<string?> Looked(HoldingDb db, DateTimeOffset from, DateTimeOffset to)
    {
        var days = (await db.GroundChecks.ThatStand().AsNoTracking().Where(c => c.At >= from && c.At < to)
            .Select(c => new { c.PegId, c.At })
            .ToListAsync()).Select(c => (c.PegId, c.At.UtcDateTime.Date)).Distinct().Count();
        var brix = await db.BrixVisits.ThatStand().CountAsync(v => v.At >= from && v.At < to);
        var pests = await db.PestCounts.CountAsync(p => p.At >= from && p.At < to);
        var photos = await db.PegPhotos.CountAsync(p => p.At >= from && p.At < to);
        var stirred = await db.WorkLog.ThatStand().CountAsync(e => e.Step == WorkStep.Stirred && e.At >= from && e.At < to);
        var came = await db.WorkLog.ThatStand().AsNoTracking().Where(e => e.Step == WorkStep.Result && e.At >= from && e.At < to)
            .Select(e => e.WorkId).Distinct().ToListAsync();
        var costs = (await db.Works.AsNoTracking().Where(w => came.Contains(w.Id)).ToListAsync()).Select(w => Cost(w.Sheet)).ToList();
        var known = costs.OfType<double>().ToList();
        var money = costs.Count == 0 ? "" : known.Count == 0 ? ", cost not known" : $" for {Say.Money(known.Sum())}"
            + (known.Count < costs.Count ? $", of {Say.Count(costs.Count - known.Count, "more", "more")} not known" : "");
        List<string> parts = [.. new[] { (days, "day at a peg", "days at pegs", ""), (photos, "photo", "photos", ""),
            (brix, "leaf reading", "leaf readings", ""), (pests, "count of pests", "counts of pests", ""),
            (costs.Count, "sheet of a lab", "sheets of a lab", money), (stirred, "stirring", "stirrings", "") }
            .Where(p => p.Item1 > 0).Select(p => Say.Count(p.Item1, p.Item2, p.Item3) + p.Item4)];
        return parts.Count == 0 ? null : string.Join("; ", parts);
    }
}
