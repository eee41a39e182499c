using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Caching.Memory;
using MudPie.Core.Brewing;
using MudPie.Records;
using MudPie.Records.Ground;

namespace MudPie.Server.Brewing;

/// <summary>A water source with its newest strip.</summary>
public sealed record KitWater(int Id, string Kind, bool Chloramine, double? Strip);

/// <summary>Ground, kit, shelf and choices as plans need them, read once and kept until the next write: a slider asks many times a second.</summary>
public sealed record KitSnapshot(
    IReadOnlyDictionary<int, PlanBed> Beds, IReadOnlyList<Vessel> Vessels, IReadOnlyList<Pump> Pumps, IReadOnlyList<Diffuser> Diffusers, IReadOnlyList<KitWater> Waters,
    IReadOnlyList<string> Shelf, IReadOnlyDictionary<string, string> Choices)
{
    private static readonly object Key = new();

    /// <summary>The snapshot, from memory or from the file.</summary>
    public static async Task<KitSnapshot> Of(HoldingDb db, IMemoryCache cache) =>
        cache.TryGetValue(Key, out KitSnapshot? kept) ? kept! : cache.Set(Key, await Read(db), new MemoryCacheEntryOptions { Size = 1 });

    /// <summary>To be called after every write.</summary>
    public static void Forget(IMemoryCache cache) => cache.Remove(Key);

    private static async Task<KitSnapshot> Read(HoldingDb db) => new(
        await db.Beds.AsNoTracking().ToDictionaryAsync(b => b.Id, b => new PlanBed { Name = b.Name, AreaM2 = b.AreaM2, Growing = b.Growing, SoilPh = b.SoilPh }),
        await db.Vessels.AsNoTracking().OrderBy(v => v.WorkingL).ToListAsync(),
        await db.Pumps.AsNoTracking().ToListAsync(),
        await db.Diffusers.AsNoTracking().OrderBy(d => d.Id).ToListAsync(),
        await db.Waters.AsNoTracking().OrderBy(w => w.Id)
            .Select(w => new KitWater(w.Id, w.Kind, w.Chloramine, w.Strips.OrderByDescending(s => s.At).Select(s => (double?)s.MgPerL).FirstOrDefault())).ToListAsync(),
        await db.Inputs.AsNoTracking().Where(i => i.UnfitWhy == null).Select(i => i.Kind).Distinct().ToListAsync(),
        await db.ForkChoices.AsNoTracking().ToDictionaryAsync(f => f.ForkId, f => f.SchoolId));
}
