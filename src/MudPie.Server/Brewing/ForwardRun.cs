using MudPie.Core.Brewing;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Server.Weather;
using MudPie.Server.Web;

namespace MudPie.Server.Brewing;

/// <summary>A brew that was begun for no hour follows its readings: its hour of use moves to the first window that it can meet, and its
/// log says so.</summary>
public sealed class ForwardRun(HoldingDb db, HoldingClock clock, LiveBrew live, WeatherBook weather)
{
    /// <summary>After an entry of its log: moves it where the entry says that it is ready at another time.</summary>
    public async Task Follow(Batch batch, LogEntry entry, DateTimeOffset now)
    {
        if (!batch.RunsForward || batch.State != BatchState.Brewing || entry.Kind is not (LogKind.Oxygen or LogKind.Warmth))
        {
            return;
        }

        await db.SaveChangesAsync(); // what was just read counts
        if (await live.Load(batch.Id) is not { StartedAt: { } started } loaded || await live.Watch(loaded) is not { Refused: null } watch
            || await clock.Find() is not { } holding)
        {
            return;
        }

        var known = await weather.Hours(now.AddHours(-1), now.AddHours(112));
        var after = (batch.UseAt - started).TotalHours - batch.BrewHours;
        DateTimeOffset? Window(DateTimeOffset from) => SprayWindows.FirstWindow(batch.Purpose == Purpose.Leaf, from, holding.SunLatitude,
            holding.SunLongitude, known);
        var moves = PlanForward.MovesTo(batch.UseAt, started, watch.Value.Forecast.ReadyAtH.Median, after, now, Window);
        if (moves is not { } to
            || await MoveEndpoints.Move(batch, new MoveRequest(to, null), clock, weather) is not { Refused: null } moved)
        {
            return;
        }

        var local = await clock.Local();
        // where no window can be met it goes out as soon as it can, and that is no window
        var says = $"By its readings it {(Window(to) == to ? "meets the window" : "meets no window, and goes out")} at "
            + $"{Say.Clock(moved.Value.UseAt, now, local)} now, and not {Say.Clock(batch.UseAt, now, local)}.";
        MoveEndpoints.Take(batch, moved.Value);
        batch.Take(BrewDeeds.Log(batch.Stands(), LogKind.Note, BrewSaid.Of(LogKind.Note, says), now, now).Value, now, "hand");
    }
}
