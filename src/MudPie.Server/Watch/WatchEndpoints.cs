using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Server.Almanac;
using MudPie.Server.Brewing;
using MudPie.Server.Mixing;
using MudPie.Server.Weather;
using MudPie.Server.Web;
using MudPie.Server.Works;

namespace MudPie.Server.Watch;

/// <summary>Something the watch has said that still stands.</summary>
public sealed record NoticeView(int Id, int BatchId, string Rule, Tone Tone, string Title, string Todo, DateTimeOffset At,
    DateTimeOffset FiredAt, DateTimeOffset? PutOffUntil);

/// <summary>What stands, and where the lines are drawn.</summary>
public sealed record WatchView(IReadOnlyList<NoticeView> Notices, double NoReadingH, double GraceMinutes, double ExpectedShare,
    Guid? Version);

/// <summary>Putting a notice off, for how long and from when; from now where no time is given.</summary>
public sealed record PutOffRequest(double? Minutes, DateTimeOffset? At = null);

/// <summary>When a notice was seen to; now where no time is given.</summary>
public sealed record SeenToRequest(DateTimeOffset? At);

/// <summary>Where the watch draws its lines.</summary>
public sealed record WatchLinesRequest(double? NoReadingH, double? GraceMinutes, double? ExpectedShare, Guid? Version = null);

/// <summary>The watch, and the calendar of what is planned.</summary>
public static class WatchEndpoints
{
    /// <summary>What can be asked and done.</summary>
    public static void MapWatch(this IEndpointRouteBuilder api)
    {
        api.MapGet("/watch", Read).ForVisitor("What the watch says, and its lines.").Remember();
        api.MapPost("/watch/{id:int}/done", Done).ForHand("It is done.");
        api.MapPost("/watch/{id:int}/put-off", PutOff).ForHand("Say it again later.");
        api.MapPost("/watch/lines", SetLines).ForHand("Keeps when the watch speaks.");
        api.MapGet("/calendar.ics", Calendar).ForVisitor("Steps, readings and ready times as a calendar.");
    }

    private static async Task<Ok<WatchView>> Read(HoldingDb db, HoldingClock clock)
    {
        var holding = await clock.Find();
        return TypedResults.Ok(new WatchView(await Notices.Standing(db, clock.Now), holding?.WatchNoReadingH ?? 4,
            holding?.WatchGraceMinutes ?? 30,
            holding?.WatchExpectedShare ?? 0.5, holding?.Version));
    }

    private static async Task<Results<Written<Kept>, Refused, Clash>> Done(int id, HoldingDb db, HoldingClock clock, Writes writes,
        SeenToRequest? r = null)
    {
        var checks = new Checks();
        var at = checks.Past("at", r?.At, clock.Now);
        return checks.Sound ? await Change(id, db, writes, n => n.DoneAt = at) : Problems.Of(checks.Refusal);
    }

    private static async Task<Results<Written<Kept>, Refused, Clash>> PutOff(int id, PutOffRequest r, HoldingDb db, HoldingClock clock,
        Writes writes)
    {
        var checks = new Checks();
        var minutes = checks.Range("minutes", r.Minutes ?? 30, 5, 720, "min");
        var at = checks.Past("at", r.At, clock.Now);
        return checks.Sound ? await Change(id, db, writes, n => n.PutOffUntil = at.AddMinutes(minutes))
            : Problems.Of(checks.Refusal);
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Change(int id, HoldingDb db, Writes writes, Action<WatchNotice> change) =>
        writes.Do<Kept>(async () =>
    {
        if (await db.Notices.FirstOrDefaultAsync(n => n.Id == id && n.DoneAt == null) is not { } notice)
        {
            return Refusal.Of("id", "That is seen to already.", "Nothing more is to be done.");
        }

        change(notice);
        return Writes.Done(new Kept(id));
    });

    private static Task<Results<Written<Changed>, Refused, Clash>> SetLines(WatchLinesRequest r, HoldingDb db, Writes writes) =>
        writes.Do<Changed>(async () =>
    {
        var checks = new Checks();
        var (hours, minutes, share) = (checks.Range("noReadingH", r.NoReadingH, 0.5, 24, "h"), checks.Range("graceMinutes", r.GraceMinutes,
            5, 240, "min"), checks.Range("expectedShare", r.ExpectedShare, 0.05, 0.95, ""));
        if (await db.Holdings.OrderBy(h => h.Id).FirstOrDefaultAsync() is not { } holding)
        {
            return Writes.NoHolding;
        }

        db.Seen(holding, r.Version, checks);
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        (holding.WatchNoReadingH, holding.WatchGraceMinutes, holding.WatchExpectedShare) = (hours, minutes, share);
        await db.SaveChangesAsync();
        return Writes.Done(new Changed(holding.Id, holding.Version));
    });

    /// <summary>Givings, calibrations due, waits that end, lots that go off.</summary>
    private static async Task Other(HoldingDb db, HoldingClock clock, Action<string, DateTimeOffset, double, string, string> add)
    {
        var today = DateOnly.FromDateTime(clock.Now.UtcDateTime);
        foreach (var g in await db.Givings.AsNoTracking().Where(g => g.ApplicationId == null && g.On >= today.AddDays(-7))
            .OrderBy(g => g.On).Take(200).Select(g => new { g.Id, g.Kind, g.On, g.Purpose, g.Programme.Bed.Name }).ToListAsync())
        {
            if (Core.PuttingOut.Biostimulants.Find(g.Kind) is not { } kind)
            {
                continue;
            }

            add($"giving-{g.Id}", new DateTimeOffset(g.On.ToDateTime(new TimeOnly(18, 0)), TimeSpan.Zero), 45, $"{kind.Name}: {g.Name}",
                $"On {(g.Purpose == Purpose.Leaf ? "leaves" : "roots")}; {kind.Hour}.");
        }

        foreach (var w in (await Book.Waits.Running(db, clock.Now)).Take(100))
        {
            add($"wait-{w.BedId}-{w.Until.ToUnixTimeSeconds()}", w.Until, 5, $"{w.Bed}: harvest may begin", $"{w.What}: {w.Reason}.");
        }

        foreach (var s in await db.Sprayers.AsNoTracking().Where(s => s.Past != "poison" && s.Calibrations.Any())
            .Select(s => new { s.Id, s.Name, s.Kind, At = s.Calibrations.Max(c => c.At) }).ToListAsync())
        {
            add($"calibrate-{s.Id}", s.At.AddDays(Core.PuttingOut.Sprayers.CalibrateEveryDays(s.Kind)), 30, $"Calibrate {s.Name}",
                "Nozzles wear, hands change.");
        }

        var now = clock.Now;
        foreach (var l in await db.Lots.AsNoTracking().Where(l => l.Expires > now && l.Entries.Sum(e => e.Amount) > 1e-6)
            .Select(l => new { l.Id, l.Mark, l.Expires, l.Input.Name }).Take(200).ToListAsync())
        {
            add($"lot-{l.Id}", l.Expires!.Value, 5, $"{l.Name}, {l.Mark} goes off", "Plans leave it from then on.");
        }
    }

    /// <summary>What is planned and what the watch expects, as iCalendar: steps of plans, ready times, use by, readings due.</summary>
    private static async Task<ContentHttpResult> Calendar(HoldingDb db, HoldingClock clock, LiveBrew live, WeatherBook weather,
        MixDesk mixes, HeapDesk heaps, WorkDesk works)
    {
        var units = await clock.Units();
        var calendar = new CalendarText("Brews", clock.Now);
        void Event(string uid, DateTimeOffset at, double minutes, string what, string how) => calendar.Add(uid, at, minutes, what, how);
        var ids = await db.Batches.Where(b => b.State == BatchState.Planned || b.State == BatchState.Brewing || b.State == BatchState.Off)
            .OrderBy(b => b.UseAt).Select(b => b.Id).Take(40).ToListAsync();
        foreach (var id in ids)
        {
            var batch = (await live.Load(id))!;
            var done = LiveBrew.Standing(batch).Where(l => l.Kind == LogKind.Step).Select(l => l.Text).ToHashSet();
            foreach (var step in batch.Steps.Where(s => !done.Contains(s.Id)))
            {
                Event($"batch-{id}-{step.Id}", step.At, step.Minutes, $"{step.Name}: {batch.Vessel.Name}", InUnits.Say(step.Detail, units));
            }

            if (batch.StartedAt is { } started && await live.Watch(batch) is { Refused: null } watch)
            {
                if (watch.Value.UseByH is { } by)
                {
                    Event($"batch-{id}-use-by", started.AddHours(by), 5, $"Use {batch.Vessel.Name} by now", watch.Value.Verdict.Sentence);
                }
                else if (batch.State == BatchState.Brewing)
                {
                    Event($"batch-{id}-reading", started.AddHours(watch.Value.ReadingDueAtH), 10, $"Oxygen reading: {batch.Vessel.Name}",
                        watch.Value.Verdict.Sentence);
                    if (watch.Value.Forecast.ReadyAtH.Median is { } ready)
                    {
                        Event($"batch-{id}-ready", started.AddHours(ready), 10, $"{batch.Vessel.Name} ready, by the model",
                            "A model, not a measurement.");
                    }
                }
            }
        }

        foreach (var n in await Notices.Standing(db, clock.Now))
        {
            Event($"watch-{n.Id}", n.At, 10, n.Title, n.Todo);
        }

        await Rounds(db, clock, weather, Event);
        await Other(db, clock, Event);
        await AlmanacEndpoints.Dates(db, clock, works, false, Event);
        foreach (var d in await DatedThings.Of(db, clock, mixes, heaps, works))
        {
            Event(d.Uid, d.At, d.Minutes, d.What, d.How);
        }

        return calendar.Answer();
    }

    /// <summary>Brews that come again.</summary>
    private static async Task Rounds(HoldingDb db, HoldingClock clock, WeatherBook weather,
        Action<string, DateTimeOffset, double, string, string> add)
    {
        foreach (var round in await RoundEndpoints.Of(db, clock, weather))
        {
            foreach (var time in round.Times)
            {
                add($"round-{round.Id}-{time.At.ToUnixTimeSeconds()}", time.At, 30, $"{round.Name} again",
                    $"{round.Says}{(time.Moved is { } moved ? $"; {moved}" : "")}. Plan it some days before.");
            }
        }
    }
}
