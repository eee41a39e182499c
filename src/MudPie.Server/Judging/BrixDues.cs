using Microsoft.EntityFrameworkCore;
using MudPie.Records;

namespace MudPie.Server.Judging;

/// <summary>A bed that was sprayed and not read since.</summary>
/// <param name="ApplicationId">The spray.</param>
/// <param name="BedId">The bed.</param>
/// <param name="Bed">Its name.</param>
/// <param name="SprayedAt">When.</param>
/// <param name="Before">When it was last read in the five days before; null where it was not.</param>
/// <param name="Leaf">Which leaf was read then.</param>
public sealed record BrixDue(int ApplicationId, int BedId, string Bed, DateTimeOffset SprayedAt, DateTimeOffset? Before,
    LeafPosition? Leaf);

/// <summary>Readings of brix that are due.</summary>
public static class BrixDues
{
    private const double FirstAfterDays = 1;
    private const double LastAfterDays = 10;
    private const double CountsAfterHours = 12;
    private const double BeforeDays = 5;

    /// <summary>One a bed: its newest leaf spray of one to ten days ago after which nothing was read.</summary>
    public static async Task<List<BrixDue>> Of(HoldingDb db, DateTimeOffset now)
    {
        var (from, to) = (now.AddDays(-LastAfterDays), now.AddDays(-FirstAfterDays));
        var sprays = await db.Applications.ThatStand().AsNoTracking().Where(a => a.At > from && a.At < to && a.Purpose == Purpose.Leaf)
            .OrderByDescending(a => a.At).Take(60).SelectMany(a => a.Beds, (a, b) => new { a.Id, b.BedId, b.Bed.Name, a.At }).ToListAsync();
        if (sprays.Count == 0)
        {
            return [];
        }

        var beds = sprays.Select(s => s.BedId).Distinct().ToList();
        var since = from.AddDays(-BeforeDays);
        var visits = (await db.BrixVisits.ThatStand().AsNoTracking().Where(v => beds.Contains(v.BedId) && v.At > since && v.Weed == null
            && v.Readings.Count > 0)
            .Select(v => new { v.BedId, v.At, v.LeafPosition }).ToListAsync()).ToLookup(v => v.BedId);
        return
        [
            .. sprays.Where(s => !visits[s.BedId].Any(v => v.At > s.At.AddHours(CountsAfterHours) && v.At < s.At.AddDays(LastAfterDays)))
                .OrderByDescending(s => s.At).DistinctBy(s => s.BedId).Select(s =>
            {
                var before = visits[s.BedId].Where(v => v.At <= s.At && v.At > s.At.AddDays(-BeforeDays)).MaxBy(v => v.At);
                return new BrixDue(s.Id, s.BedId, s.Name, s.At, before?.At, before?.LeafPosition);
            }),
        ];
    }
}
