using Microsoft.EntityFrameworkCore;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Server.Web;

namespace MudPie.Server.Book;

/// <summary>Worm bins, burns, by-products, sheets and heaps on a thread: what they took, the lots that came of them, the bed they were
/// for.</summary>
internal sealed class ThreadWorks
{
    private List<(int Lot, string Made)> _took = [];
    private List<(string Made, int Lot)> _made = [];
    private List<(string Made, string By)> _laid = [];
    private List<(string Made, int Bed, DateTimeOffset At)> _put = [];

    /// <summary>What hangs together with what was asked about: "work-1", "heap-2".</summary>
    public IReadOnlySet<string> Things { get; private set; } = new HashSet<string>();

    /// <summary>Lots that belong to them.</summary>
    public IEnumerable<int> Lots => _took.Where(t => Things.Contains(t.Made)).Select(t => t.Lot)
        .Concat(_made.Where(m => Things.Contains(m.Made)).Select(m => m.Lot));

    /// <summary>Beds on which a sheet's amounts were put, and when.</summary>
    public IEnumerable<(int Bed, DateTimeOffset At)> Beds => _put.Where(p => Things.Contains(p.Made)).Select(p => (p.Bed, p.At));

    /// <summary>Reads them.</summary>
    /// <param name="db">The record.</param>
    /// <param name="kind">What was asked about.</param>
    /// <param name="id">Its number.</param>
    /// <param name="lots">Lots that stand on the thread already: where they came from stands there too.</param>
    public static async Task<ThreadWorks> Of(HoldingDb db, string kind, int id, IReadOnlySet<int> lots)
    {
        var took = await db.StockEntries.AsNoTracking().Where(e => e.WorkEntryId != null && e.Amount < 0
                && e.Reason == StockReason.Used && !db.WorkLog.Any(w => w.CorrectsId == e.WorkEntryId))
            .Join(db.WorkLog, e => e.WorkEntryId, w => w.Id, (e, w) => new { e.LotId, w.WorkId }).Distinct().ToListAsync();
        var made = await db.Lots.AsNoTracking().Where(l => l.WorkId != null || l.HeapId != null)
            .Select(l => new { l.Id, l.WorkId, l.HeapId }).ToListAsync();
        var laid = await db.HeapLog.ThatStand().AsNoTracking().Where(h => h.WorkEntryId != null)
            .Join(db.WorkLog, h => h.WorkEntryId, w => w.Id, (h, w) => new { h.HeapId, w.WorkId }).Distinct().ToListAsync();
        var put = await db.WorkLog.ThatStand().AsNoTracking().Where(e => e.Step == WorkStep.Corrected && e.Work.BedId != null)
            .Select(e => new { e.WorkId, Bed = e.Work.BedId!.Value, e.At }).ToListAsync();
        var of = new ThreadWorks {
            _took = [.. took.Select(t => (t.LotId, $"work-{t.WorkId}"))],
            _made = [.. made.Select(m => (m.WorkId is { } w ? $"work-{w}" : $"heap-{m.HeapId}", m.Id))],
            _laid = [.. laid.Select(l => ($"heap-{l.HeapId}", $"work-{l.WorkId}"))],
            _put = [.. put.Select(p => ($"work-{p.WorkId}", p.Bed, p.At))],
        };
        var own = kind switch {
            "work" or "heap" => [$"{kind}-{id}"],
            "lot" => of._took.Where(t => t.Lot == id).Select(t => t.Made),
            "bed" => of._put.Where(p => p.Bed == id).Select(p => p.Made),
            _ => Enumerable.Empty<string>(),
        };
        var things = own.Concat(of._made.Where(m => lots.Contains(m.Lot)).Select(m => m.Made)).ToHashSet();
        // What was laid on a heap came from a burn, and goes on with it.
        things.UnionWith(of._laid.Where(l => things.Contains(l.Made)).Select(l => l.By).ToList());
        things.UnionWith(of._laid.Where(l => things.Contains(l.By) && kind is "work" or "lot").Select(l => l.Made).ToList());
        of.Things = things;
        return of;
    }

    /// <summary>A knot for each.</summary>
    public async Task<IEnumerable<ThreadKnot>> Knots(HoldingDb db, Func<DateTimeOffset, DateTimeOffset> local, string asked)
    {
        List<int> Ids(string kind) => [.. Things.Where(t => t.StartsWith(kind, StringComparison.Ordinal))
            .Select(t => int.Parse(t[(kind.Length + 1)..], System.Globalization.CultureInfo.InvariantCulture))];
        var (workIds, heapIds) = (Ids("work"), Ids("heap"));
        return (await db.Works.AsNoTracking().Where(w => workIds.Contains(w.Id)).Select(w => new { w.Id, w.Name, w.Kind, w.BegunAt })
            .ToListAsync()).Select(w => new ThreadKnot($"work-{w.Id}", "work", w.Name, $"begun {Say.Date(local(w.BegunAt))}", 1,
                WorkPages.Of(w.Kind, w.Id), asked == $"work-{w.Id}"))
            .Concat((await db.Heaps.AsNoTracking().Where(h => heapIds.Contains(h.Id)).Select(h => new { h.Id, h.Name, h.BuiltAt })
                .ToListAsync()).Select(h => new ThreadKnot($"heap-{h.Id}", "heap", h.Name, $"built {Say.Date(local(h.BuiltAt))}", 1,
                    $"/make/heap/{h.Id}", asked == $"heap-{h.Id}")));
    }

    /// <summary>From what they took to them, from them to what came of them and to the beds.</summary>
    public IEnumerable<ThreadLength> Lengths() =>
    [
        .. _took.Where(t => Things.Contains(t.Made) && !_made.Contains((t.Made, t.Lot)))
            .Select(t => new ThreadLength($"lot-{t.Lot}", t.Made, "")),
        .. _made.Where(m => Things.Contains(m.Made)).Select(m => new ThreadLength(m.Made, $"lot-{m.Lot}", "")),
        .. _laid.Where(l => Things.Contains(l.Made) && Things.Contains(l.By)).Select(l => new ThreadLength(l.By, l.Made, "laid on")),
        .. _put.Where(p => Things.Contains(p.Made)).Select(p => new ThreadLength(p.Made, $"bed-{p.Bed}", "put on")),
    ];
}
