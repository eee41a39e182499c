using Microsoft.EntityFrameworkCore;

namespace MudPie.Records;

/// <summary>By whom, and when, rows of the record were written.</summary>
public static class Whose
{
    /// <summary>The writes that rows came in by.</summary>
    /// <param name="db">The record.</param>
    /// <param name="rows">Rows with a number of their own.</param>
    /// <returns>By the number of the row; what nobody wrote, or what is older than this was kept, is not in it.</returns>
    public static async Task<IReadOnlyDictionary<int, Deed>> Wrote<T>(this HoldingDb db, IQueryable<T> rows)
        where T : class =>
        await rows.Select(r => new { Id = EF.Property<int>(r, "Id"), In = EF.Property<int?>(r, Deed.Column) }).Where(r => r.In != null)
            .Join(db.Deeds.AsNoTracking(), r => r.In, d => (int?)d.Id, (r, d) => new { r.Id, Deed = d })
            .ToDictionaryAsync(r => r.Id, r => r.Deed);

    /// <summary>The same of those rows alone that are shown.</summary>
    /// <param name="db">The record.</param>
    /// <param name="rows">Rows with a number of their own.</param>
    /// <param name="shown">Numbers of those asked for; none asks nothing.</param>
    public static async Task<IReadOnlyDictionary<int, Deed>> WroteThese<T>(this HoldingDb db, IQueryable<T> rows,
        IReadOnlyCollection<int> shown)
        where T : class =>
        shown.Count == 0 ? new Dictionary<int, Deed>() : await db.Wrote(rows.Where(r => shown.Contains(EF.Property<int>(r, "Id"))));
}
