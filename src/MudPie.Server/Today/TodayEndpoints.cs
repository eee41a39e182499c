using Microsoft.EntityFrameworkCore;
using MudPie.Core.Almanac;
using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Server.Brewing;
using MudPie.Server.Copies;
using MudPie.Server.Judging;
using MudPie.Server.Mixing;
using MudPie.Server.Shared;
using MudPie.Server.Weather;
using MudPie.Server.Web;
using MudPie.Server.Works;

namespace MudPie.Server.Today;

/// <summary>Something that wants hands.</summary>
/// <param name="Id">Stable while it lasts.</param>
/// <param name="Urgency">0 now, 1 soon, 2 today, 3 when there is time.</param>
/// <param name="Title">What, in a few words.</param>
/// <param name="Detail">Why, in a few more.</param>
/// <param name="Action">What its one button says.</param>
/// <param name="Link">Where it leads.</param>
/// <param name="At">When it is or was due.</param>
/// <param name="NoticeId">The watch has spoken of it: it can be put off, or seen to.</param>
public sealed record TodayItem(string Id, int Urgency, string Title, string Detail, string Action, string Link, DateTimeOffset At,
    int? NoticeId = null);

/// <summary>What wants hands, and what the day is like.</summary>
public sealed record TodayView(IReadOnlyList<TodayItem> Items, string Light, IReadOnlyList<BatchLine> Going);

/// <summary>One moment of a loaf: hours from its start, how grown it is (0 to 1), and whether oxygen runs short.</summary>
public sealed record LoafPoint(DateTimeOffset At, double Level, bool Short);

/// <summary>A brew on the day line.</summary>
public sealed record DayBrew(int Id, string Name, string State, DateTimeOffset Start, DateTimeOffset ReadyAt, DateTimeOffset UseAt,
    IReadOnlyList<LoafPoint> Loaf, Guid Version, bool Moves);

/// <summary>A stretch in which something can be put out.</summary>
public sealed record DayWindow(DateTimeOffset From, DateTimeOffset To, Purpose Purpose, double Score, string Sentence);

/// <summary>A wait before harvest that ends on the line.</summary>
public sealed record DayWait(DateTimeOffset At, string Text);

/// <summary>A reading on the day line: made, or due.</summary>
public sealed record DayPip(DateTimeOffset At, int BatchId, string Text, bool Due);

/// <summary>Something to come, for the folded line.</summary>
public sealed record DayNext(DateTimeOffset At, string Text, string Link, string Kind);

/// <summary>The day line: some hours back to two days on.</summary>
public sealed record DayLineView(
    DateTimeOffset From, DateTimeOffset To, DateTimeOffset Now, IReadOnlyList<SunStretch> Sun, IReadOnlyList<DayBrew> Brews,
    IReadOnlyList<DayPip> Pips, IReadOnlyList<DayNext> Next,
    IReadOnlyList<DayWindow> Windows, IReadOnlyList<DayWait> Waits)
{
    /// <summary>Brews that come again, not planned yet.</summary>
    public required IReadOnlyList<DayNext> Rounds { get; init; }

    /// <summary>What has its day on the line, in the yard and on the ground: turnings, walks, sheets that come back, pests to be counted
    /// again.</summary>
    public required IReadOnlyList<DayNext> Dated { get; init; }
}

/// <summary>Today and the day line.</summary>
public static class TodayEndpoints
{
    /// <summary>Most dates that are drawn on the day line.</summary>
    private const int MostDated = 12;

    /// <summary>What can be asked.</summary>
    public static void MapToday(this IEndpointRouteBuilder api)
    {
        api.MapGet("/today", Today).ForVisitor("What wants hands today, most urgent first.").Remember();
        api.MapGet("/day-line", DayLine).ForVisitor("The day drawn as a line: brews, windows, work.").Remember();
    }

    /// <summary>Brews that are planned or going, each with what is said of it.</summary>
    internal static async Task<List<(Batch Batch, WatchAnswer? Watch)>> Going(HoldingDb db, LiveBrew live)
    {
        var ids = await db.Batches.Where(b => b.State == BatchState.Planned || b.State == BatchState.Brewing || b.State == BatchState.Off)
            .OrderBy(b => b.UseAt).Select(b => b.Id).Take(20).ToListAsync();
        var list = new List<(Batch, WatchAnswer?)>();
        foreach (var batch in (await live.Load(ids)).OrderBy(b => ids.IndexOf(b.Id)))
        {
            var watch = await live.Watch(batch);
            list.Add((batch, watch is { Refused: null } ? watch.Value : null));
        }

        return list;
    }

    /// <summary>Windows for leaves and roots within a span.</summary>
    private static async Task<List<DayWindow>> Windows(HoldingClock clock, WeatherBook weather, DateTimeOffset from, double hours)
    {
        if (await clock.Find() is not { } holding)
        {
            return [];
        }

        var known = await weather.Hours(from.AddHours(-1), from.AddHours(hours + 8));
        WindowsAnswer Ask(Purpose purpose) =>
            SprayWindows.Of(new WindowsQuestion {
                Units = holding.Units, Purpose = purpose, From = from, Hours = hours,
                Latitude = holding.SunLatitude, Longitude = holding.SunLongitude, SunOff = !holding.PlaceKnown, Weather = known
            }).Value;
        var (leaf, root) = (Ask(Purpose.Leaf), Ask(Purpose.Root));
        return [.. leaf.Windows.Select(w => new DayWindow(w.From, w.To, Purpose.Leaf, w.Score, w.Sentence)),
            .. root.Windows.Select(w => new DayWindow(w.From, w.To, Purpose.Root, w.Score, w.Sentence))];
    }

    private static async Task<Ok<TodayView>> Today(HoldingDb db, HoldingClock clock, LiveBrew live, WeatherBook weather, MixDesk mixes,
        HeapDesk heaps, WorkDesk works, CopyShelf copies, SharedDesk shared, Held.HoldingPlace place)
    {
        var units = await clock.Units();
        var local = await clock.Local();
        var going = await Going(db, live);
        var items = await OfBrews(going, db, clock);
        items.AddRange((await BrixDues.Of(db, clock.Now)).Select(d => TodayRules.BrixDue(d, clock.Now, local)));

        items.AddRange(await TodayMore.Of(db, clock));
        items.AddRange(await TodayLooking.Of(db, clock));
        items.AddRange(await TodayMixing.Of(mixes, heaps, works, clock));
        items.AddRange((await RoundEndpoints.Of(db, clock, weather)).Where(r => r.Times.Count > 0
            && r.Times[0].At < clock.Now.AddDays(Rounds.AskDays)).Select(r => new TodayItem($"round-{r.Id}", 2, $"Plan {r.Name} again",
                $"{r.Says}: to go out at {Say.Clock(r.Times[0].At, clock.Now, local)}"
                    + (r.Times[0].Moved is { } moved ? $", {moved}" : ""), "Brew it again", r.Link, r.Times[0].At)));
        items.AddRange(await TodayJudging.Of(db, clock));
        items.AddRange(await TodayCopies.Of(copies, clock));
        items.AddRange(await TodayShared.Of(shared, place, clock));
        var (now, soon) = (clock.Now, DateOnly.FromDateTime(local(clock.Now).DateTime).AddDays(1));
        // Worth saying where the weather is known and something is there to go out.
        var something = going.Count > 0 || await db.Givings.AnyAsync(g => g.ApplicationId == null && g.On <= soon);
        if (something && await db.Weather.AnyAsync(w => w.At > now) && TodayMore.Window(await Windows(clock, weather, clock.Now, 24), now,
            local) is { } window)
        {
            items.Add(window);
        }

        var holding = await clock.Find();
        double? height = holding is not { PlaceKnown: true } there ? null
            : Sun.ElevationDeg(clock.Now, there.Latitude, there.Longitude);
        return TypedResults.Ok(new TodayView(
            Ordered(items),
            height switch {
                null => "the sun is off: say where your ground lies",
                < Sun.RiseDeg => "night",
                < Sun.LowDeg => "low sun",
                _ => "high sun: not on leaves"
            },
            [.. going.Select(g => BatchViews.Line(g.Batch, units, g.Watch?.Verdict.Sentence))]));
    }

    /// <summary>What the brews want, most pressing first.</summary>
    internal static async Task<List<TodayItem>> OfBrews(List<(Batch Batch, WatchAnswer? Watch)> going, HoldingDb db, HoldingClock clock)
    {
        var units = await clock.Units();
        var local = await clock.Local();
        var items = going.SelectMany(g => TodayRules.Of(g.Batch, g.Watch, clock.Now, local))
            .Select(i => i with { Detail = InUnits.Say(i.Detail, units) }).ToList();
        return Ordered(await WithNotices(items, going, db, clock.Now));
    }

    private static List<TodayItem> Ordered(IEnumerable<TodayItem> items) => [.. items.OrderBy(i => i.Urgency).ThenBy(i => i.At)
        .Select(i => i with { Title = char.ToUpperInvariant(i.Title[0]) + i.Title[1..] })];

    /// <summary>Items that the watch has spoken of can be put off or seen to, and then stay away; what only the watch knows is
    /// added.</summary>
    private static async Task<List<TodayItem>> WithNotices(List<TodayItem> items, List<(Batch Batch, WatchAnswer? Watch)> going,
        HoldingDb db, DateTimeOffset now)
    {
        var ids = going.Select(g => g.Batch.Id).ToList();
        var notices = await db.Notices.AsNoTracking().Where(n => ids.Contains(n.BatchId)).OrderBy(n => n.Id).ToListAsync();
        var newest = notices.GroupBy(n => (n.BatchId, n.Rule)).ToDictionary(g => g.Key, g => g.Last());
        bool Away(WatchNotice n) => n.DoneAt is not null || n.PutOffUntil > now;
        var list = new List<TodayItem>();
        var told = new HashSet<(int, string)>();
        foreach (var item in items)
        {
            var key = TodayRules.RuleOf(item.Id);
            var notice = key is { } k && told.Add(k) ? newest.GetValueOrDefault(k) : null;
            if (notice is null || !Away(notice))
            {
                list.Add(item with { NoticeId = notice?.Id });
            }
        }

        foreach (var n in newest.Values.Where(n => !Away(n) && !told.Contains((n.BatchId, n.Rule))))
        {
            list.Add(new TodayItem($"watch-{n.Id}", n.Tone switch { Tone.Stop => 0, Tone.Mind => 1, _ => 2 }, n.Title, n.Todo, "Look at it",
                $"/brew/{n.BatchId}", n.At, n.Id));
        }

        return list;
    }

    private static async Task<Ok<DayLineView>> DayLine(HoldingDb db, HoldingClock clock, LiveBrew live, WeatherBook weather,
        MixDesk mixes, HeapDesk heaps, WorkDesk works)
    {
        var (from, to) = (clock.Now.AddHours(-13), clock.Now.AddHours(48));
        var holding = await clock.Find();
        var local = await clock.Local();
        var going = await Going(db, live);
        var pips = going.Where(g => g.Batch.StartedAt is not null)
            .SelectMany(g => LiveBrew.Standing(g.Batch).Where(l => l.Kind == LogKind.Oxygen && l.At > from)
                .TakeLast(24).Select(l => new DayPip(l.At, g.Batch.Id, $"{g.Batch.Vessel.Name}: {Say.Fixed(l.Number ?? 0, 1)} mg/L",
                    false))).ToList();
        pips.AddRange(going.Where(g => g.Watch is not null && g.Batch.State == BatchState.Brewing)
            .Select(g => new DayPip(g.Batch.StartedAt!.Value.AddHours(g.Watch!.ReadingDueAtH), g.Batch.Id,
                $"{g.Batch.Vessel.Name}: reading due", true)));
        pips.AddRange((await Watch.Notices.Standing(db, clock.Now)).Where(n => n.At > from && n.At < to
            && going.Any(g => g.Batch.Id == n.BatchId)).Select(n => new DayPip(n.At, n.BatchId, n.Title, true)));
        var windows = await Windows(clock, weather, clock.Now, 48);
        var rounds = (await RoundEndpoints.Of(db, clock, weather)).SelectMany(r => r.Times.Take(1).Where(t => t.At < to)
            .Select(t => new DayNext(t.At, $"{r.Name} again", r.Link, "round"))).ToList();
        var next = going.SelectMany(g => TodayRules.Next(g.Batch, g.Watch, clock.Now)).Concat(rounds)
            .Where(n => n.At > clock.Now.AddHours(-2))
            .OrderBy(n => n.At).Take(3).ToList();
        List<DayNext> dated = [.. (await Watch.DatedThings.Of(db, clock, mixes, heaps, works)).Where(d => d.At > from && d.At < to)
            .OrderBy(d => d.At).Take(MostDated).Select(d => new DayNext(d.At, d.What, d.Link, "date"))];
        return TypedResults.Ok(new DayLineView(
            from, to, clock.Now,
            holding is not { PlaceKnown: true } ? [] : Sun.Stretches(from, to, holding.Latitude, holding.Longitude),
            [.. going.Select(g => new DayBrew(g.Batch.Id, g.Batch.Vessel.Name, g.Batch.State.ToString(), g.Batch.StartedAt
                ?? g.Batch.PlannedStart, g.Batch.AirOffAt ?? (g.Batch.StartedAt ?? g.Batch.PlannedStart).AddHours(g.Batch.BrewHours),
                g.Batch.UseAt, TodayRules.Loaf(g.Batch, g.Watch), g.Batch.Version,
                g.Batch.State is BatchState.Planned or BatchState.Brewing))],
            pips, [.. next.Concat(dated.Where(d => d.At > clock.Now).Take(2)).OrderBy(n => n.At)], windows,
                [.. (await Book.Waits.Running(db, clock.Now)).Where(w => w.Until < to)
                .Select(w => new DayWait(w.Until, $"{w.Bed} may be harvested: {w.What} is over"))]) { Rounds = rounds, Dated = dated });
    }
}
