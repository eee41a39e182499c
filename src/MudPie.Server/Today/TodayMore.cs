using Microsoft.EntityFrameworkCore;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Server.Web;

namespace MudPie.Server.Today;

/// <summary>What the sprayers, the programmes and the shelf want done.</summary>
internal static class TodayMore
{
    public static async Task<List<TodayItem>> Of(HoldingDb db, HoldingClock clock)
    {
        var now = clock.Now;
        var local = await clock.Local();
        var items = new List<TodayItem>();
        var happened = db.Applications.ThatHappened();
        foreach (var s in await db.Sprayers.AsNoTracking().Select(s => new {
            s.Id,
            s.Name,
            s.Kind,
            s.Past,
            Used = happened.Where(a => a.SprayerId == s.Id).Max(a => (DateTimeOffset?)a.At),
            Washed = s.Washes.Max(w => (DateTimeOffset?)w.At),
            Calibrated = s.Calibrations.Max(c => (DateTimeOffset?)c.At),
        }).ToListAsync())
        {
            if (s.Used is { } used && !(s.Washed >= used))
            {
                items.Add(new($"wash-{s.Id}", now - used < TimeSpan.FromHours(6) ? 0 : 1, $"Wash up {s.Name}",
                    $"used {When(used, local)}; a film left in it spoils the next brew", "Wash it up",
                    $"/put-out/sprayers?sprayer={s.Id}", used));
            }

            if (s.Calibrated is { } at && s.Past != "poison" && now > at.AddDays(Sprayers.CalibrateEveryDays(s.Kind)))
            {
                items.Add(new($"calibrate-{s.Id}", 3, $"Calibrate {s.Name} again", $"last on {Say.Date(local(at))}", "Calibrate it",
                    $"/put-out/sprayers?sprayer={s.Id}", at.AddDays(Sprayers.CalibrateEveryDays(s.Kind))));
            }
        }

        var (today, soon) = (DateOnly.FromDateTime(local(now).DateTime), DateOnly.FromDateTime(local(now).DateTime).AddDays(2));
        foreach (var g in await db.Givings.AsNoTracking().Where(g => g.ApplicationId == null && g.On <= soon && g.On >= today.AddDays(-21))
            .OrderBy(g => g.On).Take(6).Select(g => new { g.Id, g.Kind, g.On, g.Programme.Bed.Name }).ToListAsync())
        {
            var name = Biostimulants.Find(g.Kind)?.Name ?? g.Kind;
            items.Add(new($"giving-{g.Id}", g.On <= today ? 2 : 3, $"{name} on {g.Name}", g.On < today
                ? $"was laid for {Say.Day(g.On)}" : g.On == today ? "laid for today" : $"laid for {g.On:ddd} {Say.Day(g.On)}",
                "Fill the tank",
                $"/put-out/tank?giving={g.Id}", new DateTimeOffset(g.On.ToDateTime(new TimeOnly(18, 0)), TimeSpan.Zero)));
        }

        var (until, past) = (now.AddDays(14), now.AddDays(-30));
        foreach (var l in await db.Lots.AsNoTracking().Where(l => l.Expires != null && l.Expires < until && l.Expires > past
            && l.Entries.Sum(e => e.Amount) > 1e-6).OrderBy(l => l.Expires).Take(4)
            .Select(l => new { l.Id, l.InputId, l.Mark, l.Expires, l.Input.Name }).ToListAsync())
        {
            var days = Math.Ceiling((l.Expires!.Value - now).TotalDays);
            items.Add(new($"lot-{l.Id}", 3,
                $"{l.Name}, {l.Mark}, "
                    + (days <= 0 ? "is past its date" : $"goes off in {Say.Number(days)} {(days == 1 ? "day" : "days")}"), days <= 0
                        ? "plans leave it alone; count it out" : "use it first", "Look at the shelf", $"/shelf?input={l.InputId}",
                        l.Expires.Value));
        }

        return items;
    }

    /// <summary>The next window, where something is there to go out.</summary>
    public static TodayItem? Window(IReadOnlyList<DayWindow> windows, DateTimeOffset now, Func<DateTimeOffset, DateTimeOffset> local)
    {
        var next = windows.Where(w => w.Purpose == Purpose.Leaf && w.To > now.AddMinutes(30)).MinBy(w => w.From);
        return next is null || next.From > now.AddHours(16) ? null
            : new("window", 2, next.From <= now ? $"Leaves can be sprayed now, until {Say.Time(local(next.To))}"
                : $"A spray window {(local(next.From).Hour >= 16 ? "this evening" : "ahead")}, {Say.Time(local(next.From))} "
                    + $"to {Say.Time(local(next.To))}", next.Sentence, "Choose a window", "/put-out/windows", next.From);
    }

    private static string When(DateTimeOffset at, Func<DateTimeOffset, DateTimeOffset> local) =>
        $"{Say.Weekday(local(at))}";
}
