using Microsoft.EntityFrameworkCore;
using MudPie.Core.Looking;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Server.Looking;
using MudPie.Server.Web;

namespace MudPie.Server.Today;

/// <summary>Walks that are due, strips of cotton that are to be dug up, goals whose day has come.</summary>
internal static class TodayLooking
{
    public static async Task<List<TodayItem>> Of(HoldingDb db, HoldingClock clock)
    {
        var (now, local) = (clock.Now, await clock.Local());
        var items = (await LookDesk.Walks(db, clock)).Where(w => w.Stands.Due)
            .Select(w => new TodayItem($"walk-{w.Id}", 3, $"Walk: {w.Name}",
            w.Says + (w.HungOn is null ? "" : $"; {w.HungOn}"), "Walk it", $"/look/walk/{w.Id}",
            new DateTimeOffset(w.Stands.From.ToDateTime(new TimeOnly(8, 0)), TimeSpan.Zero))).ToList();
        var (from, to) = (now.AddDays(-120), now.AddDays(-7 * CheckReading.BuriedWeeks));
        items.AddRange((await LookDesk.Strips(db, from, to)).Select(s => new TodayItem($"strip-{s.PegId}", 3,
            $"Dig up the strip at {s.Where}", $"laid in on {Say.Date(local(s.At))}; six to eight weeks is right", "See the peg",
            $"/look/pegs/{s.PegId}", s.At.AddDays(7 * CheckReading.BuriedWeeks))));
        var today = DateOnly.FromDateTime(local(now).DateTime);
        items.AddRange((await db.Goals.AsNoTracking().Where(g => g.EndedAt == null && g.TargetOn <= today).OrderBy(g => g.TargetOn).Take(3)
            .Select(g => new { g.Id, g.Name, g.TargetOn }).ToListAsync()).Select(g => new TodayItem($"goal-{g.Id}", 3,
            $"Goal {g.Name}: its day has come", $"{Say.Date(g.TargetOn)}: met, or missed? Let it go, or set the next", "See the goal",
            "/look/goals", new DateTimeOffset(g.TargetOn.ToDateTime(new TimeOnly(8, 0)), TimeSpan.Zero))));
        return items;
    }
}
