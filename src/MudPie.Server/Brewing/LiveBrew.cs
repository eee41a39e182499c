using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Caching.Memory;
using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Server.Weather;
using MudPie.Server.Web;

namespace MudPie.Server.Brewing;

/// <summary>Reads a batch's log into what the core wants to know of it. Forecasts are kept for two minutes, or until something is
/// logged.</summary>
public sealed class LiveBrew(HoldingDb db, HoldingClock clock, WeatherBook weather, IMemoryCache cache)
{
    private string? _hold;

    /// <summary>A batch with everything that a screen of it needs.</summary>
    /// <remarks>Of a logger's file of more than 600 figures its log holds the means of ten minutes or more, 300 of each kind at most; all
    /// of them stay in the file, and are paged by <see cref="BatchLogEndpoints"/>.</remarks>
    public async Task<Batch?> Load(int id) => (await Load([id])).FirstOrDefault();

    /// <summary>Several at once, in no order.</summary>
    public async Task<List<Batch>> Load(IReadOnlyList<int> ids)
    {
        var batches = await db.Batches.AsNoTracking().AsSplitQuery()
            .Include(b => b.Vessel).Include(b => b.Pump).Include(b => b.Diffuser).Include(b => b.Water)
            .Include(b => b.Beds).ThenInclude(b => b.Bed).Include(b => b.Log.Where(l => l.Source != LoggerThinning.Source))
            .Include(b => b.SourceInput).Include(b => b.SecondSourceInput).Include(b => b.RecipeVersion)
            .Where(b => ids.Contains(b.Id)).ToListAsync();
        foreach (var id in await db.Log.Where(l => ids.Contains(l.BatchId) && l.Source == LoggerThinning.Source).Select(l => l.BatchId)
            .Distinct().ToListAsync())
        {
            batches.First(b => b.Id == id).Log.AddRange(await LoggerThinning.Of(db, id));
        }

        return batches;
    }

    /// <summary>Entries that nothing later puts right, oldest first.</summary>
    public static List<LogEntry> Standing(Batch batch) => [.. batch.Log.ThatStand().OrderBy(l => l.At).ThenBy(l => l.Id)];

    /// <summary>What Mud Pie says of it now; for one that is over, of the moment its air went off.</summary>
    public async Task<Ruling<WatchAnswer>?> Watch(Batch batch)
    {
        if (batch.StartedAt is not { } started)
        {
            return null;
        }

        var over = batch.State is BatchState.Used or BatchState.Heaped;
        var now = over ? batch.AirOffAt ?? batch.UseAt : clock.Now;
        return await Kept(batch, started, now);
    }

    /// <summary>The race to the ground: of a brew that is going as it is watched, of a planned one at its hour; null for one that is over,
    /// failed, or a feed.</summary>
    public async Task<RaceAnswer?> Race(Batch batch) => batch.State switch {
        BatchState.Used or BatchState.Heaped => null,
        BatchState.Planned => (await Kept(batch, batch.PlannedStart, batch.PlannedStart)).Match(w => w.Value.Race, _ => null),
        _ => (await Watch(batch))?.Match(w => w.Value.Race, _ => null),
    };

    private async Task<Ruling<WatchAnswer>> Kept(Batch batch, DateTimeOffset started, DateTimeOffset now)
    {
        var (hold, window) = (await Hold(), await Window(batch, now));
        // half an hour of a probe that reads every two minutes
        var probed = await ProbeData.Link(db, batch.Id) is { } link
            ? await db.ProbeReadings.CountAsync(r => r.ProbeLinkId == link.Id) / 15 : 0;
        var key = (batch.Id, batch.Log.Count, batch.State, hold, window, probed, await clock.Units(), clock.Writing,
            now.ToUnixTimeSeconds() / 120);
        return await cache.Once(key, TimeSpan.FromMinutes(3), async () => BrewWatch.Of(
            (await Ask(batch, started, now, hold, window)) with { Members = batch.StartedAt is null ? BrewPlan.Members : null },
            await clock.Local()));
    }

    /// <summary>What a batch has taught so far, to be kept when it ends; null where there is too little.</summary>
    public async Task<IReadOnlyDictionary<string, double>?> Taught(int id)
    {
        if (await Load(id) is not { StartedAt: not null } batch || batch.Making != Making.Tea)
        {
            return null;
        }

        var watch = await Watch(batch);
        return Lessons.Of(watch is { Refused: null } ? watch.Value : null, Standing(batch).Count(l => l.Kind == LogKind.Oxygen));
    }

    /// <summary>The brew as it really went: with what it was fed on the way and the air it was given.</summary>
    public static BrewQuestion AsBrewed(Batch batch, DateTimeOffset started) => BrewLog.AsBrewed(batch.Brew, Said(batch), started);

    private static List<BrewEntry> Said(Batch batch) => [.. Standing(batch).Select(l => l.Said())];

    /// <summary>What the core wants to know of a batch.</summary>
    public async Task<WatchQuestion> Ask(Batch batch, DateTimeOffset started, DateTimeOffset now) =>
        await Ask(batch, started, now, await Hold(), await Window(batch, now));

    /// <summary>The school that the holding keeps for how long a brew may stand.</summary>
    public async Task<string> Hold() =>
        _hold ??= (await db.ForkChoices.AsNoTracking().FirstOrDefaultAsync(f => f.ForkId == "hold"))?.SchoolId is { } school
            && KnownForks.Wrong("hold", "hold", school) is null ? school : "oxygen";

    private async Task<RaceWindow?> Window(Batch batch, DateTimeOffset now) =>
        await RaceKits.Window(await clock.Find(), batch.Purpose == Purpose.Leaf, batch.UseAt > now ? batch.UseAt : now, weather);

    private async Task<WatchQuestion> Ask(Batch batch, DateTimeOffset started, DateTimeOffset now, string hold, RaceWindow? window)
    {
        double Hour(DateTimeOffset at) => (at - started).TotalHours;
        var log = Said(batch);
        var (probe, _) = await Probe(batch, started, now);
        var rulings = new[] { await SourceRulings.Of(db, batch.SourceInputId), await SourceRulings.Of(db, batch.SecondSourceInputId) };
        var units = await clock.Units();
        var mixL = batch.BrewL * PutOutRace.UsualOneIn(batch.Purpose == Purpose.Leaf);
        var battery = await db.Pumps.AsNoTracking().Where(p => p.BatteryHours != null).OrderByDescending(p => p.OpenLpm)
            .FirstOrDefaultAsync();
        return new WatchQuestion {
            Units = units,
            Brew = AsBrewed(batch, started),
            StartedAt = started,
            UseAtH = Math.Max(Hour(batch.UseAt), 0.1),
            Warmth = BrewLog.Warmth(log, started, probe),
            Prior = await Lessons.Prior(db, batch.VesselId, batch.RecipeVersion?.RecipeId,
                batch.Brew.Sources?.FirstOrDefault()?.Kind, batch.Id),
            Battery = battery is null ? null : BatteryPump.OfKit(new LitresPerMinute(battery.OpenLpm), new Kilopascals(battery.ShutOffKPa),
                battery.BatteryHours),
            Race = new WatchRace(mixL, batch.Race is { } kept
                ? kept : RaceChoice.For(null, await KitSnapshot.SprayersOf(db), new Litres(mixL), new TypedFields(units)), window, units),
            Seen = BrewLog.Of(log, started, batch.Making, now) with {
                Hold = hold,
                CountedAtH = [.. (await db.Tallies.AsNoTracking().Where(t => t.BatchId == batch.Id).Select(t => t.At)
                    .ToListAsync()).Select(Hour).Where(h => h >= 0)],
                AirOffH = batch.AirOffAt is { } off ? Math.Max(Hour(off), 0) : null,
                Probe = [.. probe.Select(p => new SeenAt<double>(p.H, p.MgPerL))],
                SourceUnfit = rulings.Any(r => r?.Fitness == SourceFitness.Unfit) || batch.SourceInput?.UnfitWhy is not null
                    || batch.SecondSourceInput?.UnfitWhy is not null,
            },
        };
    }

    /// <summary>Hourly means of its probe up to when the air went off, put right by hand readings; and the probe's state for the
    /// watch.</summary>
    public async Task<(IReadOnlyList<ProbePoint> Hours, ProbeState? State)> Probe(Batch batch, DateTimeOffset started, DateTimeOffset now)
    {
        if (await ProbeData.Link(db, batch.Id) is not { } link)
        {
            return ([], null);
        }

        var last = await db.ProbeReadings.Where(r => r.ProbeLinkId == link.Id).MaxAsync(r => (DateTimeOffset?)r.At);
        var drift = Probes.Drift(await ProbeData.Means(db, link.Id, started, 10), ProbeData.ByHand(batch, started));
        var until = ((batch.AirOffAt ?? now) - started).TotalHours;
        var hours = Probes.PutRight(await ProbeData.Means(db, link.Id, started, 60), drift, until);
        var silent = link.DetachedAt is null ? (now - (last ?? link.AttachedAt)).TotalHours : (double?)null;
        return (hours, new ProbeState(silent, drift));
    }
}
