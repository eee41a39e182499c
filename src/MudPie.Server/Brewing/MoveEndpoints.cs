using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Server.Weather;
using MudPie.Server.Web;

namespace MudPie.Server.Brewing;

/// <summary>When a brew is to be put out instead.</summary>
public sealed record MoveRequest(DateTimeOffset? UseAt, Guid? Version);

/// <summary>What moving it would do.</summary>
/// <param name="Start">When the source goes in.</param>
/// <param name="Off">When the air is stopped.</param>
/// <param name="UseAt">When it goes out.</param>
/// <param name="Steps">What slides along.</param>
/// <param name="Verdict">In a sentence.</param>
public sealed record MoveView(DateTimeOffset Start, DateTimeOffset Off, DateTimeOffset UseAt, IReadOnlyList<PlanStep> Steps,
    Verdict Verdict, Guid Version);

/// <summary>Brews taken hold of on the day line and slid.</summary>
public static class MoveEndpoints
{
    /// <summary>Longest that a tea is kept on the air, h. The house's cap.</summary>
    public const double CapHours = 36;

    /// <summary>What can be done.</summary>
    public static void MapMoves(this IEndpointRouteBuilder api)
    {
        api.MapPost("/brew/batches/{id:int}/move/work-out", WorkOut).ForVisitor("A planned brew at another hour.");
        api.MapPost("/brew/batches/{id:int}/move", Keep).ForHand("Moves a planned brew.");
    }

    private static async Task<Results<Ok<MoveView>, Refused>> WorkOut(int id, MoveRequest r, HoldingDb db, HoldingClock clock,
        WeatherBook weather)
    {
        var batch = await db.Batches.AsNoTracking().Include(b => b.Log).FirstOrDefaultAsync(b => b.Id == id);
        var moved = await Move(batch, r, clock, weather);
        return moved.Refused is { } refused ? Problems.Of(refused) : TypedResults.Ok(moved.Value);
    }

    private static Task<Results<Written<Changed>, Refused, Clash>> Keep(int id, MoveRequest r, HoldingDb db, HoldingClock clock,
        WeatherBook weather, Writes writes) =>
        writes.Do<Changed>(async () =>
    {
        var batch = await db.Batches.Include(b => b.Log).FirstOrDefaultAsync(b => b.Id == id);
        var moved = await Move(batch, r, clock, weather);
        if (moved.Refused is { } refused)
        {
            return refused;
        }

        var checks = new Checks();
        db.Seen(batch!, r.Version, checks);
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        Take(batch!, moved.Value);
        await db.SaveChangesAsync();
        return Writes.Done(new Changed(id, batch!.Version));
    });

    /// <summary>The brew as it is once it is moved.</summary>
    internal static void Take(Batch batch, MoveView m)
    {
        batch.UseAt = m.UseAt;
        batch.Steps = m.Steps;
        if (batch.StartedAt is { } started)
        {
            batch.BrewHours = (m.Off - started).TotalHours;
        }
        else
        {
            batch.PlannedStart = m.Start;
        }
    }

    /// <summary>All of a plan slides; of a brew that is going, what has not been done yet.</summary>
    internal static async Task<Ruling<MoveView>> Move(Batch? batch, MoveRequest r, HoldingClock clock, WeatherBook weather)
    {
        if (batch is not { State: BatchState.Planned or BatchState.Brewing })
        {
            return Refusal.Of("id", batch is null ? "There is no such batch." : "This brew can't be moved any more.",
                "Only a brew that is planned or going is slid.");
        }

        if (r.UseAt is not { } wanted)
        {
            return Refusal.Of("useAt", "No time was given.", "Slide it to when it is to be put out.");
        }

        var step = TimeSpan.FromMinutes(5).Ticks;
        var useAt = new DateTimeOffset((wanted.UtcTicks + (step / 2)) / step * step, TimeSpan.Zero);
        var by = useAt - batch.UseAt;
        var local = await clock.Local();
        var steps = batch.Steps.ToList();
        var done = LiveBrew.Standing(batch).Where(l => l.Kind == LogKind.Step).Select(l => l.Text).ToHashSet();
        // of one that is going only what is still to come is slid: not its feeds, and not what was due before the source went in
        var begun = batch.StartedAt is null ? null : steps.FirstOrDefault(s => s.Id == "source")?.At ?? batch.StartedAt;
        bool Stays(PlanStep s) => done.Contains(s.Id)
            || (begun is { } since && (s.At <= since || s.Id.StartsWith("feed", StringComparison.Ordinal)));
        var slid = steps.Select(s => Stays(s) ? s : s with { At = s.At + by }).ToList();
        var first = slid.Where(s => !done.Contains(s.Id)).MinBy(s => s.At);
        var start = batch.StartedAt ?? batch.PlannedStart + by;
        var off = start.AddHours(batch.BrewHours) + (batch.StartedAt is null ? TimeSpan.Zero : by);
        if (useAt > clock.Now.AddDays(14))
        {
            return Refusal.Of("useAt", "That is more than two weeks ahead.", "Plan it anew when it is nearer.");
        }

        if (batch.State == BatchState.Planned && first is not null && first.At < clock.Now.AddMinutes(-5))
        {
            var earliest = batch.UseAt + (clock.Now - steps.First(s => s.Id == first.Id).At);
            return Refusal.Of("useAt", $"“{first.Name}” would have begun at {Say.Weekday(local(first.At))} already.",
                $"The earliest is {Say.Weekday(local(earliest))}.");
        }

        if (batch.State == BatchState.Brewing && off < clock.Now)
        {
            return Refusal.Of("useAt", $"Its air would have gone off at {Say.Time(local(off))} already.",
                $"The earliest is {Say.Weekday(local(clock.Now + (batch.UseAt - batch.StartedAt!.Value.AddHours(batch.BrewHours))))}.");
        }

        var verdict = await Says(batch, start, off, useAt, clock, weather, local);
        return Worked.Of(new MoveView(start, off, useAt, slid, verdict, batch.Version), "", Evidence.PractitionersRule);
    }

    private static async Task<Verdict> Says(Batch batch, DateTimeOffset start, DateTimeOffset off, DateTimeOffset useAt, HoldingClock clock,
        WeatherBook weather, Func<DateTimeOffset, DateTimeOffset> local)
    {
        if ((off - start).TotalHours > CapHours && batch.Making == Making.Tea)
        {
            return new(Tone.Stop, $"{Say.Hours((off - start).TotalHours)} on the air: past the house's cap of {CapHours:0} h.",
                "What grew starts to eat itself. Use it sooner, or start it later.");
        }

        var holding = await clock.Find();
        var hour = holding is null
            ? null : SprayWindows.Of(new WindowsQuestion {
                Units = holding.Units, Purpose = batch.Purpose, From = useAt, Hours = 1,
                Latitude = holding.SunLatitude, Longitude = holding.SunLongitude, SunOff = !holding.PlaceKnown,
                Weather = await weather.Hours(useAt.AddHours(-1), useAt.AddHours(8))
            }).Value.Hours[0];
        var slide = batch.StartedAt is null ? $"source in {Say.Weekday(local(start))}, air off {Say.Weekday(local(off))}"
            : $"air off {Say.Weekday(local(off))}";
        return hour is { Spoils.Count: > 0 } bad
            ? new(Tone.Mind, $"Out at {Say.Weekday(local(useAt))}: {bad.Spoils[0]}.", $"Then {slide}.")
            : new(Tone.Go, $"Out at {Say.Weekday(local(useAt))}.",
                $"Then {slide}{(hour?.Weather is null ? "; the weather then is not known" : "; nothing spoils that hour")}.");
    }
}
