using Microsoft.EntityFrameworkCore;
using MudPie.Core.Looking;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Server.Looking;
using MudPie.Server.Web;

namespace MudPie.Server.Today;

/// <summary>Walks that are due, and strips of cotton that are to be dug up.</summary>
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
        var strips = db.GroundChecks.ThatStand().Where(c => c.Kind == CheckKind.Cotton);
        foreach (var s in await strips.AsNoTracking().Where(c => c.Life == null && c.At > from && c.At <= to
            && !strips.Any(d => d.PegId == c.PegId && d.At > c.At)).OrderBy(c => c.At).Take(6)
            .Select(c => new { c.PegId, c.At, Peg = c.Peg.Name, Bed = c.Peg.Bed.Name }).ToListAsync())
        {
            items.Add(new($"strip-{s.PegId}", 3, $"Dig up the strip at {s.Bed}, {s.Peg}",
                $"laid in on {Say.Date(local(s.At))}; six to eight "
                + "weeks is right", "See the peg", $"/look/pegs/{s.PegId}", s.At.AddDays(7 * CheckReading.BuriedWeeks)));
        }

        return items;
    }
}
