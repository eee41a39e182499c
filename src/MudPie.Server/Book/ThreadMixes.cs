using Microsoft.EntityFrameworkCore;
using MudPie.Core.Workings;
using MudPie.Records;

namespace MudPie.Server.Book;

/// <summary>Jobs of mixing on a thread: what they took, what they made, which beds they filled.</summary>
internal sealed class ThreadMixes
{
    private List<(int Lot, int Mix)> _took = [];
    private List<(int Mix, int Lot)> _made = [];
    private List<(int Mix, int Bed, DateTimeOffset At)> _filled = [];

    /// <summary>The jobs that hang together with what was asked about.</summary>
    public IReadOnlyList<int> Jobs { get; private set; } = [];

    /// <summary>Lots that belong to them: what they took where they, a bed or what they made was asked about.</summary>
    public IEnumerable<int> Lots => _took.Where(t => Jobs.Contains(t.Mix)).Select(t => t.Lot)
        .Concat(_made.Where(m => Jobs.Contains(m.Mix)).Select(m => m.Lot));

    /// <summary>Beds that they filled, or on which their pots stand, and when.</summary>
    public IEnumerable<(int Bed, DateTimeOffset At)> Beds => _filled.Where(f => Jobs.Contains(f.Mix)).Select(f => (f.Bed, f.At));

    /// <summary>Reads them.</summary>
    public static async Task<ThreadMixes> Of(HoldingDb db, string kind, int id)
    {
        var took = await db.StockEntries.AsNoTracking().Where(e => e.MixEntryId != null && e.Amount < 0 && e.Reason == StockReason.Made
                && !db.MixLog.Any(m => m.CorrectsId == e.MixEntryId))
            .Join(db.MixLog, e => e.MixEntryId, m => m.Id, (e, m) => new { e.LotId, m.MixId }).Distinct().ToListAsync();
        var made = await db.Lots.AsNoTracking().Where(l => l.MixId != null).Select(l => new { Mix = l.MixId!.Value, l.Id }).ToListAsync();
        var filled = await db.MixLog.ThatStand().AsNoTracking().Where(e => e.Step == MixStep.Filled && e.BedId != null)
            .Select(e => new { e.MixId, Bed = e.BedId!.Value, e.At }).ToListAsync();
        var of = new ThreadMixes {
            _took = [.. took.Select(t => (t.LotId, t.MixId))],
            _made = [.. made.Select(m => (m.Mix, m.Id))],
            _filled = [.. filled.Select(f => (f.MixId, f.Bed, f.At))],
        };
        of.Jobs = [.. (kind switch {
            "mix" => [id],
            "lot" => of._took.Where(t => t.Lot == id).Select(t => t.Mix).Concat(of._made.Where(m => m.Lot == id).Select(m => m.Mix)),
            "bed" => of._filled.Where(f => f.Bed == id).Select(f => f.Mix),
            _ => Enumerable.Empty<int>(),
        }).Distinct().OrderDescending().Take(24)];
        return of;
    }

    /// <summary>A knot for each job.</summary>
    public async Task<IEnumerable<ThreadKnot>> Knots(HoldingDb db, Func<DateTimeOffset, DateTimeOffset> local, string asked) =>
        (await db.Mixes.AsNoTracking().Where(m => Jobs.Contains(m.Id)).OrderByDescending(m => m.Id)
            .Select(m => new { m.Id, m.Name, At = m.Log.Max(e => (DateTimeOffset?)e.At) ?? m.At }).ToListAsync())
        .Select(m => new ThreadKnot($"mix-{m.Id}", "mix", m.Name, $"mixing, {Say.Date(local(m.At))}", 1, $"/make/mix/{m.Id}",
            asked == $"mix-{m.Id}"));

    /// <summary>From what they took to them, from them to what they made and to the beds.</summary>
    public IEnumerable<ThreadLength> Lengths() =>
    [
        .. _took.Where(t => Jobs.Contains(t.Mix) && !_made.Contains((t.Mix, t.Lot)))
            .Select(t => new ThreadLength($"lot-{t.Lot}", $"mix-{t.Mix}", "")),
        .. _made.Where(m => Jobs.Contains(m.Mix)).Select(m => new ThreadLength($"mix-{m.Mix}", $"lot-{m.Lot}", "")),
        .. _filled.Where(f => Jobs.Contains(f.Mix)).Select(f => new ThreadLength($"mix-{f.Mix}", $"bed-{f.Bed}", "filled in")),
    ];
}
