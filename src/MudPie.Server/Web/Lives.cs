using Microsoft.EntityFrameworkCore;
using MudPie.Core.Looking;
using MudPie.Core.Workings;
using MudPie.Records;

namespace MudPie.Server.Web;

/// <summary>What the checks of a year make of a bed's ground.</summary>
/// <param name="Answer">Poor, middling, living, or not known, and by which checks.</param>
/// <param name="Newest">The newest of those checks.</param>
/// <param name="KeepsFull">The grower keeps the full dose there.</param>
/// <param name="Peg">The peg of the newest check; null where it was found for the whole bed.</param>
public sealed record BedLife(Worked<GroundLifeAnswer> Answer, DateTimeOffset? Newest, bool KeepsFull, int? Peg)
{
    /// <summary>What the ground is.</summary>
    public Life? Life => Answer.Value.Life;

    /// <summary>What its dose goes by.</summary>
    public Life? ForDose => KeepsFull ? null : Life;
}

/// <summary>Poor, middling or living: asked here, and nowhere in other words.</summary>
public static class Lives
{
    /// <summary>By bed; a bed that no check of a year speaks of is not there.</summary>
    public static async Task<IReadOnlyDictionary<int, BedLife>> Of(HoldingDb db, DateTimeOffset now, IReadOnlyCollection<int>? beds = null)
    {
        var since = now.AddDays(-GroundLife.Days);
        var pegs = await db.GroundChecks.ThatStand().AsNoTracking().Where(c => c.Life != null && c.At >= since && c.At <= now)
            .Select(c => new { c.Peg.BedId, c.Peg.ZoneId, c.PegId, c.Kind, c.At, Life = c.Life!.Value }).ToListAsync();
        var whole = await db.BedChecks.AsNoTracking().Where(c => c.At >= since && c.At <= now)
            .Select(c => new { c.BedId, c.Kind, c.At, c.Life }).ToListAsync();
        var seen = pegs.Select(c => (c.BedId, Zone: c.ZoneId, Peg: (int?)c.PegId, Seen: new LifeSeen(c.Kind, c.At, c.Life)))
            .Concat(whole.Select(c => (c.BedId, Zone: (int?)null, Peg: (int?)null, Seen: new LifeSeen(c.Kind == GroundTest.Cotton
                ? CheckKind.Cotton : CheckKind.Co2, c.At, c.Life))));
        var full = await db.Beds.Where(b => b.KeepsFullDose).Select(b => b.Id).ToListAsync();
        return seen.Where(s => beds is null || beds.Contains(s.BedId)).GroupBy(s => s.BedId).ToDictionary(g => g.Key, g =>
        {
            var newest = g.MaxBy(s => s.Seen.At);
            return new BedLife(GroundLife.OfBed([.. g.Select(s => (s.Zone, s.Seen))], now), newest.Seen.At, full.Contains(g.Key),
                newest.Peg);
        });
    }
}
