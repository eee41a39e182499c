using Microsoft.EntityFrameworkCore;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Server.Judging;
using MudPie.Server.Web;

namespace MudPie.Server.Today;

/// <summary>What patches and growing trials want done.</summary>
internal static class TodayJudging
{
    /// <summary>Days after which a growing trial is asked after.</summary>
    private const double AskAfterDays = 7;

    public static async Task<List<TodayItem>> Of(HoldingDb db, HoldingClock clock)
    {
        var (now, local) = (clock.Now, await clock.Local());
        var since = now.AddHours(-6);
        var items = new List<TodayItem>();
        foreach (var t in await db.PatchTests.AsNoTracking().Where(t => t.PutOnAt > since
            && t.Patches.Any(p => p.Leaves.All(l => l.Phase != PatchPhase.After)))
            .Select(t => new { t.Id, t.Bed.Name, t.PutOnAt }).ToListAsync())
        {
            var from = t.PutOnAt!.Value.AddMinutes(40);
            items.Add(new($"patches-{t.Id}", now >= from ? 0 : 1, $"Read the patches on {t.Name} again", now < from
                ? $"from {Say.Time(local(from))}" : now <= from.AddMinutes(20)
                ? "now: 40 to 60 minutes after" : "past the hour: read them at once", "Read them", "/judge/patches", from));
        }

        foreach (var t in await db.Trials.AsNoTracking().Where(t => t.State == TrialState.Growing).OrderBy(t => t.Id).Take(4)
            .Select(t => new {
                t.Id, t.Crop, t.StartedAt, Last = db.TrialReadings.Where(r => r.TrialId == t.Id)
                .Max(r => (DateTimeOffset?)r.RecordedAt)
            }).ToListAsync())
        {
            if ((t.Last ?? t.StartedAt) is { } last && (now - last).TotalDays >= AskAfterDays)
            {
                items.Add(new($"trial-{t.Id}", 3, $"The trial on {t.Crop}",
                    $"{(t.Last is null ? "nothing measured since it began" : "last measured")} {Say.Day(local(last))}", "Measure it",
                    $"/judge/trials/{t.Id}/sheet", last.AddDays(AskAfterDays)));
            }
        }

        items.AddRange((await PestDesk.Due(db, clock)).Take(2).Select(p => new TodayItem($"pests-{p.BedId}-{p.Pest}", 3,
            $"Look again at {p.Pest}, {p.Bed}", p.Says, "Count them", $"/look/leaves/{p.BedId}", p.Due)));
        return items;
    }
}
