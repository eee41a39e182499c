using MudPie.Core.Workings;

namespace MudPie.Core.Mixing;

/// <summary>Something done at a heap or measured of it.</summary>
/// <param name="Step">What.</param>
/// <param name="At">When.</param>
/// <param name="Celsius">Of its core, where it was measured, °C.</param>
public sealed record HeapPoint(HeapStep Step, DateTimeOffset At, double? Celsius = null);

/// <summary>How a heap stands.</summary>
/// <param name="State">How far it has come.</param>
/// <param name="Day">Days since it was begun, whole.</param>
/// <param name="LastC">Its core as last measured, °C; null where it never was.</param>
/// <param name="LastAt">When.</param>
/// <param name="HotDays">Days above 55 °C in all.</param>
/// <param name="HotRow">The longest run of them without a break.</param>
/// <param name="Counts">What the code counts of these.</param>
/// <param name="Turns">Turnings from when it was first hot.</param>
/// <param name="CodeMet">Whether days and turnings are as the code counts them.</param>
/// <param name="TurnOn">The day to turn it next; null where it need not be.</param>
/// <param name="CuredFrom">The first day it can be judged cured; null where nothing says so yet.</param>
/// <param name="Verdict">What to do.</param>
public sealed record HeapStands(HeapState State, int Day, double? LastC, DateTimeOffset? LastAt, double HotDays, double HotRow,
    double Counts,
    int Turns, bool CodeMet, DateTimeOffset? TurnOn, DateTimeOffset? CuredFrom, Verdict Verdict);

/// <summary>A heap through its weeks, from what was measured and done.</summary>
public static class HeapCourse
{
    /// <summary>°C above which days count, in many codes.</summary>
    public const double Hot = 55;

    /// <summary>°C at which it is turned at once: above, what should work there dies.</summary>
    public const double TooHot = 70;

    /// <summary>Longest time between two readings over which it is taken to have been what lies between them, days.</summary>
    public const double LongestGap = 3;

    /// <summary>Days hot after which it is turned, outside to inside.</summary>
    public const double TurnAfter = 3;

    /// <summary>Days that it cures at least, once it is no longer hot; with coffee grounds half a year from when it was built.</summary>
    public const int CureDays = 42, GroundsDays = 183;

    /// <summary>Works it out.</summary>
    /// <param name="points">What was done and measured, oldest first; the first is its building.</param>
    /// <param name="code">What the grower's code counts.</param>
    /// <param name="grounds">Whether coffee grounds are in it.</param>
    /// <param name="now">Now.</param>
    /// <param name="local">A moment in the holding's zone.</param>
    /// <remarks>50 °C at noon and 60 °C the next noon: half a day above 55, by the line between. Readings more than three days apart
    /// count for nothing between them. Source: house rule; days above 55 °C as many codes count them: local code decides.</remarks>
    public static Worked<HeapStands> Of(IReadOnlyList<HeapPoint> points, HeapCode code, bool grounds, DateTimeOffset now,
        Func<DateTimeOffset, DateTimeOffset> local)
    {
        var built = points.Count > 0 ? points[0].At : now;
        var read = points.Where(p => p.Celsius is not null).OrderBy(p => p.At).ToList();
        var runs = Runs(read);
        var (hot, row) = (runs.Sum(r => r.Days), runs.Select(r => r.Days).DefaultIfEmpty(0).Max());
        var firstHot = read.FirstOrDefault(p => p.Celsius >= Hot)?.At;
        var lastHot = read.LastOrDefault(p => p.Celsius >= Hot)?.At;
        var turns = points.Count(p => p.Step == HeapStep.Turned && p.At >= firstHot);
        var last = read.Count > 0 ? read[^1] : null;
        var counts = code.InARow ? row : hot;
        var met = counts >= code.Days - 1e-9 && turns >= code.Turns;
        var state = State(points, last, firstHot, lastHot, now);
        var lastTurn = points.LastOrDefault(p => p.Step is HeapStep.Turned or HeapStep.Layer)?.At ?? built;
        DateTimeOffset? turnOn = state != HeapState.Hot ? null : last!.Celsius >= TooHot ? now
            : (runs.LastOrDefault(r => r.To >= lastTurn) is { To: var to, From: var from } && to > lastTurn ? Later(from, lastTurn)
                : lastTurn)
                .AddDays(TurnAfter);
        DateTimeOffset? cured = lastHot is null && !grounds ? null : Later(lastHot?.AddDays(CureDays) ?? built, grounds
            ? built.AddDays(GroundsDays) : built);
        var stands = new HeapStands(state, (int)(now - built).TotalDays, last?.Celsius, last?.At, hot, row, counts, turns, met, turnOn,
            cured,
            HeapVerdict.Of(state, last, turnOn, cured, (counts, turns, met), code, now, local));
        return Worked.Of(stands, "", Evidence.PractitionersRule,
            [
                new("days above 55 °C", "the line between readings, where they are at most three days apart",
                    Say.Count(read.Count, "reading"), $"{Say.Number(hot)} days, {Say.Number(row)} in a row", "your own readings"),
                new("as your code counts", code.InARow ? "days in a row" : "days in all", $"{Say.Number(code.Days)} wanted, "
                    + Say.Count(code.Turns, "turning"), $"{Say.Number(counts)} days, {Say.Count(turns, "turning")}",
                    "local code decides; fifteen days and five turnings are counted in many for turned heaps"),
            ]);
    }

    /// <summary>What comes next, in two or three words for the yard.</summary>
    /// <remarks>Hot, and to be turned on 28 November: "turn it on 28 Nov"; above 70 °C: "turn it now".</remarks>
    public static string Short(HeapStands s, DateTimeOffset now, Func<DateTimeOffset, DateTimeOffset> local) => s.State switch {
        HeapState.Hot => s.TurnOn <= now ? "turn it now" : $"turn it on {Say.Day(local(s.TurnOn!.Value))}",
        HeapState.Cooling => s.CodeMet ? "it cools" : "cools early: turn it",
        HeapState.Curing => s.CuredFrom is { } on && now < on ? $"until {Say.Day(local(on))}" : "turn it and see",
        HeapState.Cured => "sieve it",
        HeapState.Done => "",
        _ => s.LastC is null ? "measure it" : "not hot yet",
    };

    private static DateTimeOffset Later(DateTimeOffset a, DateTimeOffset b) => a > b ? a : b;

    private static HeapState State(IReadOnlyList<HeapPoint> points, HeapPoint? last, DateTimeOffset? firstHot, DateTimeOffset? lastHot,
        DateTimeOffset now) =>
        points.Any(p => p.Step == HeapStep.Sieved) ? HeapState.Done
        : points.Any(p => p.Step == HeapStep.Cured) ? HeapState.Cured
        : last?.Celsius >= Hot && now - last.At < TimeSpan.FromDays(7) ? HeapState.Hot
        : firstHot is null ? HeapState.Built
        : last!.Celsius >= 40 && now - last.At < TimeSpan.FromDays(14) ? HeapState.Cooling
        : HeapState.Curing;

    /// <summary>Stretches above 55 °C, by the line between readings.</summary>
    private static List<(DateTimeOffset From, DateTimeOffset To, double Days)> Runs(List<HeapPoint> read)
    {
        var runs = new List<(DateTimeOffset From, DateTimeOffset To, double Days)>();
        foreach (var (a, b) in read.Zip(read.Skip(1)))
        {
            var days = (b.At - a.At).TotalDays;
            var (low, high) = (Math.Min(a.Celsius!.Value, b.Celsius!.Value), Math.Max(a.Celsius.Value, b.Celsius.Value));
            if (days <= 0 || days > LongestGap || high < Hot)
            {
                continue;
            }

            var share = low >= Hot ? 1 : (high - Hot) / (high - low);
            var from = a.Celsius >= Hot ? a.At : b.At.AddDays(-days * share);
            var to = from.AddDays(days * share);
            if (runs.Count > 0 && from - runs[^1].To < TimeSpan.FromMinutes(1))
            {
                runs[^1] = (runs[^1].From, to, runs[^1].Days + (days * share));
            }
            else
            {
                runs.Add((from, to, days * share));
            }
        }

        return runs;
    }
}
