using MudPie.Core.Workings;
using MudPie.Server.Mixing;
using MudPie.Server.Web;
using MudPie.Server.Works;

namespace MudPie.Server.Today;

/// <summary>What jobs of mixing, heaps, worms and burns want done.</summary>
internal static class TodayMixing
{
    /// <summary>One thing of each at most.</summary>
    public static async Task<List<TodayItem>> Of(MixDesk mixes, HeapDesk heaps, WorkDesk works, HoldingClock clock)
    {
        var (now, local) = (clock.Now, await clock.Local());
        var items = (await mixes.Dues()).Select(d => new TodayItem($"mix-{d.Due.Rule}-{d.Id}", d.Due.Urgency, d.Due.Title, d.Due.Detail,
            d.Due.Action, $"/make/mix/{d.Id}", new DateTimeOffset(d.Due.On.ToDateTime(new TimeOnly(8, 0)), TimeSpan.Zero))).ToList();
        foreach (var (heap, stands, line) in await heaps.Lines(going: true))
        {
            if (stands.TurnOn is { } turn && turn < now.AddDays(1))
            {
                items.Add(new($"heap-turn-{heap.Id}", stands.Verdict.Tone == Tone.Stop ? 0 : turn <= now ? 2 : 3, $"Turn {heap.Name}",
                    $"{line.Word}; {(turn <= now ? "due since" : "due on")} {Say.Weekday(local(turn))}", "See the heap",
                        $"/make/heap/{heap.Id}",
                    turn));
            }
            else if (stands.State is HeapState.Hot or HeapState.Built or HeapState.Cooling && stands.Day < 60
                && (stands.LastAt ?? heap.BuiltAt).AddDays(2) < now)
            {
                items.Add(new($"heap-warmth-{heap.Id}", 3, $"How warm is {heap.Name}?", stands.LastAt is { } at
                    ? $"last measured {Say.Ago((now - at).TotalDays)}" : "never measured yet", "Measure it", $"/make/heap/{heap.Id}",
                    (stands.LastAt ?? heap.BuiltAt).AddDays(2)));
            }
            else if (stands.State == HeapState.Curing && stands.CuredFrom < now && now - stands.CuredFrom < TimeSpan.FromDays(120))
            {
                items.Add(new($"heap-cured-{heap.Id}", 3, $"Is {heap.Name} cured?", "turn it: if it warms no more, it is", "See the heap",
                    $"/make/heap/{heap.Id}", stands.CuredFrom.Value));
            }
        }

        foreach (var (line, due, _) in await works.Lines(going: true))
        {
            items.AddRange(due.Take(1).Select(d => new TodayItem($"work-{d.Rule}-{line.Id}", d.Urgency, d.Title, d.Detail, d.Action,
                line.Link,
                d.At)));
        }

        return items;
    }
}
