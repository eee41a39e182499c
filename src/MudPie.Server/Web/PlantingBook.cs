using Microsoft.EntityFrameworkCore;
using MudPie.Core.Ground;
using MudPie.Records;
using MudPie.Records.Ground;
using MudPie.Records.Looking;

namespace MudPie.Server.Web;

/// <summary>Plantings as they begin and end: what a bed is said to grow is always what stands there.</summary>
internal static class PlantingBook
{
    /// <summary>What stood there ends, and another begins, where it is not the same.</summary>
    public static async Task<Planting> Begin(HoldingDb db, Bed bed, (string Crop, string? Variety) what, DateTimeOffset at, bool ends)
    {
        if (ends)
        {
            await End(db, bed.Id, at);
        }

        var planting = db.Plantings.Add(new Planting {
            Bed = bed, Crop = what.Crop, Variety = what.Variety, From = at, Growing = bed.Growing, Eaten = bed.Eaten
        }).Entity;
        await db.SaveChangesAsync();
        await Follow(db, bed);
        return planting;
    }

    /// <summary>Plantings of a bed, oldest first: from when, and what; those of which nobody knows when they began are left out.</summary>
    public static async Task<List<(DateOnly From, string Crop)>> Begun(HoldingDb db, int? bed, Func<DateTimeOffset, DateTimeOffset> local)
        => bed is null ? [] : [.. (await db.Plantings.AsNoTracking().Where(p => p.BedId == bed && p.From != null).OrderBy(p => p.From)
            .Select(p => new { p.From, p.Crop }).ToListAsync())
            .Select(p => (DateOnly.FromDateTime(local(p.From!.Value).DateTime), p.Crop))];

    /// <summary>The crop that a harvest or a reading of a moment is of, however late it is written down; null where there is no such
    /// bed.</summary>
    public static async Task<string?> CropAt(HoldingDb db, int? bed, DateTimeOffset at)
    {
        var spans = await db.Plantings.AsNoTracking().Where(p => p.BedId == bed).Select(p => new PlantingSpan(p.Id, p.BedId, p.Crop, p.From,
            p.To)).ToListAsync();
        return Plantings.Of(spans, at)?.Crop ?? await db.Beds.Where(b => b.Id == bed).Select(b => b.Crop).FirstOrDefaultAsync();
    }

    /// <summary>What stands there ends.</summary>
    public static async Task End(HoldingDb db, int bed, DateTimeOffset at)
    {
        foreach (var p in await db.Plantings.Where(p => p.BedId == bed && p.To == null && (p.From == null || p.From < at)).ToListAsync())
        {
            p.To = at;
        }
    }

    /// <summary>The bed says what stands there last: the newest that has not ended, or nothing.</summary>
    public static async Task Follow(HoldingDb db, Bed bed)
    {
        await db.SaveChangesAsync();
        var now = await db.Plantings.Where(p => p.BedId == bed.Id && p.To == null).OrderByDescending(p => p.From).ThenByDescending(p =>
            p.Id)
            .FirstOrDefaultAsync();
        bed.Crop = now?.Crop ?? Bed.Nothing;
        if (now is not null)
        {
            (bed.Growing, bed.Eaten) = (now.Growing, now.Eaten);
        }
    }
}
