using Microsoft.EntityFrameworkCore;
using MudPie.Records;

namespace MudPie.Server.Book;

/// <summary>Who wrote the entries of a page of the book.</summary>
internal static class BookBy
{
    /// <summary>The page, with whoever wrote each of its entries.</summary>
    public static async Task<IReadOnlyList<BookEntry>> Told(HoldingDb db, IReadOnlyList<BookEntry> page)
    {
        var by = new Dictionary<(string Kind, int Id), string?>();
        async Task Of<T>(string kind, IQueryable<T> rows)
            where T : class
        {
            foreach (var (id, deed) in await db.WroteThese(rows, [.. page.Where(e => e.Kind == kind).Select(e => e.Id)]))
            {
                by[(kind, id)] = deed.By;
            }
        }

        await Of("job", db.Applications);
        await Of("harvest", db.Harvests);
        await Of("seen", db.Observations);
        await Of("mix", db.MixLog);
        await Of("heap", db.Heaps);
        await Of("heapStep", db.HeapLog);
        await Of("work", db.WorkLog);
        await Of("field", db.FieldLog);
        foreach (var (batch, name) in await Began(db, [.. page.Where(e => e.Kind == "batch").Select(e => e.Id)]))
        {
            by[("batch", batch)] = name;
        }

        return [.. page.Select(e => e.By is null && by.GetValueOrDefault((e.Kind, e.Id)) is { } name ? e with { By = name } : e)];
    }

    /// <summary>Who began brews: whoever planned one need not be who began it.</summary>
    private static async Task<List<(int Batch, string? By)>> Began(HoldingDb db, List<int> batches)
    {
        if (batches.Count == 0)
        {
            return [];
        }

        var begun = db.Log.AsNoTracking().Where(l => l.Kind == LogKind.Start && batches.Contains(l.BatchId));
        var wrote = await db.Wrote(begun);
        return wrote.Count == 0 ? [] : [.. (await begun.Select(l => new { l.Id, l.BatchId }).ToListAsync())
            .Where(l => wrote.ContainsKey(l.Id)).Select(l => (l.BatchId, wrote[l.Id].By))];
    }
}
