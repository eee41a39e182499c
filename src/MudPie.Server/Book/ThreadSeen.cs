using Microsoft.EntityFrameworkCore;
using MudPie.Core.Sheets;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Server.Web;

namespace MudPie.Server.Book;

/// <summary>What was seen on a bed that is asked about: its pegs, and its sheets that have a result.</summary>
internal static class ThreadSeen
{
    /// <summary>Most of each: the newest.</summary>
    private const int Most = 12;

    /// <summary>A knot for each, beside the harvests; a sheet that is on the thread already by what was put on stays where it is.</summary>
    public static async Task<List<ThreadKnot>> Knots(HoldingDb db, Func<DateTimeOffset, DateTimeOffset> local, int bed,
        IReadOnlySet<string> there)
    {
        var pegs = await db.Pegs.AsNoTracking().Where(p => p.BedId == bed && p.EndedAt == null).OrderBy(p => p.Id).Take(Most)
            .Select(p => new { p.Id, p.Name }).ToListAsync();
        var last = (await db.GroundChecks.ThatStand().AsNoTracking().Where(c => c.Peg.BedId == bed).Select(c => new { c.PegId, c.At })
            .ToListAsync()).ToLookup(c => c.PegId, c => c.At);
        var sheets = (await db.Works.AsNoTracking().Where(w => w.Kind == WorkKind.Sheet && w.BedId == bed).OrderByDescending(w => w.Id)
            .Take(60).ToListAsync()).Where(w => w.Sheet is { Rows.Count: > 0 } && !there.Contains($"work-{w.Id}")).Take(Most);
        return [.. pegs.Select(p => new ThreadKnot($"peg-{p.Id}", "peg", p.Name, last[p.Id].Any()
                ? $"looked at {Say.Date(local(last[p.Id].Max()))}" : "not looked at yet", 4, $"/look/pegs/{p.Id}", false)),
            .. sheets.Select(w => new ThreadKnot($"work-{w.Id}", "work", w.Name, $"a sheet of {w.Sheet!.For.Said()}", 4,
                WorkPages.Of(WorkKind.Sheet, w.Id), false))];
    }
}
