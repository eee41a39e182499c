using Microsoft.EntityFrameworkCore;
using MudPie.Core.Looking;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Server.Judging;
using MudPie.Server.Looking;
using MudPie.Server.Mixing;
using MudPie.Server.Web;
using MudPie.Server.Works;

namespace MudPie.Server.Watch;

/// <summary>Something with a day of its own, in the yard or on the ground.</summary>
/// <param name="Uid">Its name in a calendar, the same each time.</param>
/// <param name="At">When.</param>
/// <param name="Minutes">How long.</param>
/// <param name="What">In a few words.</param>
/// <param name="How">More of it.</param>
/// <param name="Link">Its page.</param>
internal sealed record Dated(string Uid, DateTimeOffset At, double Minutes, string What, string How, string Link);

/// <summary>What has a day: one list for the calendar and the day line.</summary>
internal static class DatedThings
{
    /// <summary>Charges, turnings, liftings, sheets that come back, walks, strips to be dug up, pests to be counted again, goals.</summary>
    public static async Task<List<Dated>> Of(HoldingDb db, HoldingClock clock, MixDesk mixes, HeapDesk heaps, WorkDesk works)
    {
        var local = await clock.Local();
        DateTimeOffset Morning(DateOnly on) => LocalTimes.Of(on.ToDateTime(new TimeOnly(8, 0)), local) is [var at, ..] ? at
            : new DateTimeOffset(on.ToDateTime(new TimeOnly(8, 0)), TimeSpan.Zero);
        List<Dated> list = [.. (await mixes.Dates()).Select(m => new Dated(m.Id, Morning(m.On), 20, m.What,
            "Charge at least fourteen days, as damp as a wrung-out sponge.", $"/make/mix/{m.Job}"))];
        foreach (var (heap, stands, line) in await heaps.Lines(going: true))
        {
            if (stands.TurnOn is { } turn)
            {
                list.Add(new($"heap-{heap.Id}-turn", turn, 60, $"Turn {heap.Name}", line.Word, $"/make/heap/{heap.Id}"));
            }
            else if (stands is { State: HeapState.Curing, CuredFrom: { } cured })
            {
                list.Add(new($"heap-{heap.Id}-cured", cured, 30, $"Is {heap.Name} cured?", "Turn it: if it warms no more, it is.",
                    $"/make/heap/{heap.Id}"));
            }
        }

        list.AddRange((await works.Lines(going: true)).SelectMany(w => w.Dates.Select(d => new Dated($"work-{w.Line.Id}-{d.Rule}", d.At, 20,
            d.What, d.How, WorkPages.Of(w.Line.Kind, w.Line.Id)))));
        list.AddRange((await LookDesk.Walks(db, clock)).Where(w => w.Next is not null).Select(w => new Dated($"walk-{w.Id}-{w.Next:yyyyMM}",
            Morning(w.Next!.Value), 60, $"Walk: {w.Name}", w.HungOn ?? "a round of pegs", $"/look/walk/{w.Id}")));
        list.AddRange((await LookDesk.Strips(db, clock.Now.AddDays(-120), clock.Now))
            .Select(s => new Dated($"strip-{s.PegId}-{s.At:yyyyMMdd}",
            s.At.AddDays(7 * CheckReading.BuriedWeeks), 20, $"Dig up the strip at {s.Where}", $"Laid in on {Say.Date(local(s.At))}.",
            $"/look/pegs/{s.PegId}")));
        list.AddRange((await PestDesk.Looks(db, clock)).Select(p => new Dated($"pests-{p.BedId}-{p.Due:yyyyMMdd}-{p.Pest}", p.Due, 15,
            $"Look again at {p.Pest}, {p.Bed}", p.Says, $"/look/leaves/{p.BedId}")));
        list.AddRange((await db.Goals.AsNoTracking().Where(g => g.EndedAt == null).OrderBy(g => g.Id).Take(GoalMeasures.Most)
            .Select(g => new { g.Id, g.Name, g.TargetOn }).ToListAsync()).Select(g => new Dated($"goal-{g.Id}", Morning(g.TargetOn), 20,
            $"Goal: {g.Name}", "Its day has come: met, or missed?", "/look/goals")));
        return list;
    }
}
