using System.Runtime.CompilerServices;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Caching.Memory;
using MudPie.Core.Brewing;
using MudPie.Core.PuttingOut;
using MudPie.Records;
using MudPie.Records.Ground;
using MudPie.Server.Web;

namespace MudPie.Server.Brewing;

/// <summary>A water source with its newest strip.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Kind">Its kind.</param>
/// <param name="Chloramine">It may hold chloramine.</param>
/// <param name="Strip">Newest strip, mg/L.</param>
/// <param name="EColi">Newest test for gut germs, E. coli in 100 mL; null for none.</param>
/// <param name="TestedAt">When that was.</param>
public sealed record KitWater(int Id, WaterKind Kind, bool Chloramine, double? Strip, double? EColi = null,
    DateTimeOffset? TestedAt = null);

/// <summary>A lot of source with its ruling; null where it was never asked.</summary>
public sealed record KitLot(int Id, string Kind, string Name, SourceRuling? Ruling, SourceAnswers? Answers = null);

/// <summary>Ground, kit, shelf and choices as plans need them, read once and kept until the next write, or the next day: a slider asks
/// many times a
/// second.</summary>
public sealed record KitSnapshot(
    IReadOnlyDictionary<int, PlanBed> Beds, IReadOnlyList<Vessel> Vessels, IReadOnlyList<Pump> Pumps, IReadOnlyList<Diffuser> Diffusers,
    IReadOnlyList<KitWater> Waters,
    IReadOnlyList<string> Shelf, IReadOnlyDictionary<string, string> Choices, IReadOnlyList<KitLot> Lots, IReadOnlySet<int> Unclean,
    IReadOnlyList<KitSprayer> Sprayers, IReadOnlyDictionary<int, Core.Book.Eaten> Eaten)
{
    private static readonly ConditionalWeakTable<IMemoryCache, Standing> Shelves = [];

    /// <summary>Vessels to choose from: those that are here; all of them where none is.</summary>
    public IEnumerable<Vessel> Here => Vessels.Any(v => v.HandedTo is null) ? Vessels.Where(v => v.HandedTo is null) : Vessels;

    /// <summary>The snapshot, from memory or from the file. One that was being read while something was written is answered and not
    /// kept.</summary>
    public static async Task<KitSnapshot> Of(HoldingDb db, IMemoryCache cache, DateTimeOffset now)
    {
        if (db.Database.CurrentTransaction is not null)
        {
            return await Read(db, now); // a write sees what it has itself changed, and nobody else may
        }

        var shelf = Shelves.GetOrCreateValue(cache);
        var writes = WriteCount.Of(cache);
        if (Volatile.Read(ref shelf.Kept) is { } kept && kept.Writes == writes && kept.On == now.Date)
        {
            return kept.Snapshot;
        }

        var read = await Read(db, now);
        Volatile.Write(ref shelf.Kept, new Kept(writes, now.Date, read));
        return read;
    }

    private sealed record Kept(long Writes, DateTime On, KitSnapshot Snapshot);

    private sealed class Standing
    {
        public Kept? Kept;
    }

    private static async Task<Dictionary<int, PlanBed>> BedsOf(HoldingDb db, DateTimeOffset now)
    {
        var lives = await Lives.Of(db, now);
        return await db.Beds.AsNoTracking().ToDictionaryAsync(b => b.Id, b => new PlanBed {
            Name = b.Name, AreaM2 = b.AreaM2, Growing = b.Growing, SoilPh = b.SoilPh, Life = lives.GetValueOrDefault(b.Id)?.ForDose
        });
    }

    private static async Task<KitSnapshot> Read(HoldingDb db, DateTimeOffset now) => new(
        await BedsOf(db, now),
        await db.Vessels.AsNoTracking().OrderBy(v => v.WorkingL).ToListAsync(),
        await db.Pumps.AsNoTracking().ToListAsync(),
        await db.Diffusers.AsNoTracking().OrderBy(d => d.Id).ToListAsync(),
        await db.Waters.AsNoTracking().OrderBy(w => w.Id)
            .Select(w => new KitWater(w.Id, w.Kind, w.Chloramine, w.Strips.OrderByDescending(s => s.At).ThenByDescending(s => s.Id)
                .Select(s => (double?)s.MgPerL).FirstOrDefault(), w.Tests.OrderByDescending(t => t.At).ThenByDescending(t => t.Id)
                    .Select(t => (double?)t.EColiPer100Ml).FirstOrDefault(), w.Tests.OrderByDescending(t => t.At)
                        .ThenByDescending(t => t.Id).Select(t => (DateTimeOffset?)t.At).FirstOrDefault())).ToListAsync(),
        await db.Inputs.AsNoTracking().Where(i => i.UnfitWhy == null).Select(i => i.Kind).Distinct().ToListAsync(),
        // a word of another version is none
        (await db.ForkChoices.AsNoTracking().ToListAsync()).Where(f => Core.Workings.KnownForks.Wrong("school", f.ForkId,
            f.SchoolId) is null).ToDictionary(f => f.ForkId, f => f.SchoolId),
        await ReadLots(db),
        await Cleaning.Unclean(db),
        await ReadSprayers(db),
        await db.Beds.AsNoTracking().ToDictionaryAsync(b => b.Id, b => b.Eaten));

    /// <summary>Sprayers as a race needs them.</summary>
    public static Task<List<KitSprayer>> SprayersOf(HoldingDb db) => ReadSprayers(db);

    private static async Task<List<KitSprayer>> ReadSprayers(HoldingDb db) =>
        [.. (await db.Sprayers.AsNoTracking().Include(s => s.Calibrations).OrderBy(s => s.Id).Take(100).ToListAsync()).Select(s =>
            RaceKits.Of(s))];

    /// <summary>Lots of source, the ones to take first at the front: judged good, then with care, then never asked.</summary>
    private static async Task<List<KitLot>> ReadLots(HoldingDb db)
    {
        var kinds = Ingredients.Sources.Select(s => s.Kind).ToList();
        var asked = db.SourceChecks.Newest();
        var rows = await db.Inputs.AsNoTracking().Where(i => kinds.Contains(i.Kind) && i.UnfitWhy == null).OrderBy(i => i.Id)
            .Select(i => new {
                i.Id, i.Kind, i.Name, i.Lot, Answers = asked.Where(c => c.InputId == i.Id).Select(c => c.Answers)
                .FirstOrDefault()
            }).ToListAsync();
        return [.. rows.Select(r => new KitLot(r.Id, r.Kind, r.Lot is null ? r.Name : $"{r.Name}, {r.Lot}", r.Answers is null
            ? null : SourceGate.Judge(r.Answers).Value, r.Answers is null ? null : r.Answers))
            .OrderBy(l => l.Ruling?.Fitness ?? SourceFitness.Unasked)];
    }
}
