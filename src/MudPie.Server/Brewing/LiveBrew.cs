using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Caching.Memory;
using MudPie.Core.Brewing;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Server.Web;

namespace MudPie.Server.Brewing;

/// <summary>Reads a batch's log into what the core wants to know of it. Forecasts are kept for two minutes, or until something is logged.</summary>
public sealed class LiveBrew(HoldingDb db, HoldingClock clock, IMemoryCache cache)
{
    /// <summary>A batch with everything that a screen of it needs.</summary>
    public async Task<Batch?> Load(int id) => await db.Batches.AsNoTracking().AsSplitQuery()
        .Include(b => b.Vessel).Include(b => b.Pump).Include(b => b.Diffuser).Include(b => b.Water)
        .Include(b => b.Beds).ThenInclude(b => b.Bed).Include(b => b.Log)
        .FirstOrDefaultAsync(b => b.Id == id);

    /// <summary>Entries that nothing later puts right, oldest first.</summary>
    public static List<LogEntry> Standing(Batch batch)
    {
        var corrected = batch.Log.Where(l => l.CorrectsId is not null).Select(l => l.CorrectsId!.Value).ToHashSet();
        return [.. batch.Log.Where(l => !corrected.Contains(l.Id)).OrderBy(l => l.At).ThenBy(l => l.Id)];
    }

    /// <summary>What Mud Pie says of it now; for one that is over, of the moment its air went off.</summary>
    public async Task<Ruling<WatchAnswer>?> Watch(Batch batch)
    {
        if (batch.StartedAt is not { } started)
        {
            return null;
        }

        var now = batch.State is BatchState.Used or BatchState.Heaped ? batch.AirOffAt ?? batch.UseAt : clock.Now;
        var key = (batch.Id, batch.Log.Count, batch.State, now.ToUnixTimeSeconds() / 120);
        if (cache.TryGetValue(key, out Ruling<WatchAnswer>? kept))
        {
            return kept;
        }

        var ruling = BrewWatch.Of(Ask(batch, started, now), await clock.Local());
        return cache.Set(key, ruling, new MemoryCacheEntryOptions { AbsoluteExpirationRelativeToNow = TimeSpan.FromMinutes(3), Size = 1 });
    }

    private static WatchQuestion Ask(Batch batch, DateTimeOffset started, DateTimeOffset now)
    {
        double Hour(DateTimeOffset at) => (at - started).TotalHours;
        var log = Standing(batch);
        List<SeenAt<T>> Seen<T>(LogKind kind, Func<LogEntry, T> what) => [.. log.Where(l => l.Kind == kind && l.At >= started.AddMinutes(-1)).Select(l => new SeenAt<T>(Math.Max(Hour(l.At), 0), what(l)))];
        return new WatchQuestion
        {
            Brew = BatchJson.Brew(batch),
            StartedAt = started,
            UseAtH = Math.Max(Hour(batch.UseAt), 0.1),
            Warmth = Seen(LogKind.Warmth, l => l.Number ?? 0),
            Seen = new BrewSeen
            {
                IsTea = batch.Making == "tea",
                NowH = Math.Max(Hour(now), 0),
                AirOffH = batch.AirOffAt is { } off ? Math.Max(Hour(off), 0) : null,
                StripMgPerL = log.LastOrDefault(l => l.Kind == LogKind.Strip)?.Number,
                Oxygen = Seen(LogKind.Oxygen, l => l.Number ?? 0),
                Smells = Seen(LogKind.Smell, l => Enum.Parse<Smell>(l.Text!, true)),
                Foams = Seen(LogKind.Foam, l => Enum.Parse<Foam>(l.Text!, true)),
            },
        };
    }
}
