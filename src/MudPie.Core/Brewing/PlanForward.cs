using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>Where a brew that is begun now comes out.</summary>
/// <param name="Plan">The plan: its first step is now, its hour of use the window that it meets.</param>
/// <param name="Meets">Whether its hour of use lies in a window.</param>
/// <param name="Says">In a sentence.</param>
public sealed record ForwardAnswer(BrewPlanAnswer Plan, bool Meets, string Says);

/// <summary>Plans forward from this minute, and not back from an hour: for whoever stands at the bucket already.</summary>
public static class PlanForward
{
    /// <summary>Less than this, an hour of use stays where it is: readings come and go by so much, minutes.</summary>
    public const double StaysWithinMinutes = 30;

    /// <summary>Plans it to begin now.</summary>
    /// <param name="q">As for <see cref="BrewPlan.Of"/>; its hour of use is not asked.</param>
    /// <param name="local">A moment in the holding's own zone, for the words.</param>
    /// <param name="window">The first window from a moment on; null where none within two days is so.</param>
    /// <param name="left">What is left of a window from a moment, for the race.</param>
    /// <remarks>A tea that could go out at 23:10, the next window at 05:30: it stays on the air until then and is put out at 05:30, begun
    /// in the same minute; where that would be past 36 h, it is said, and the soonest hour stands.</remarks>
    public static Ruling<(Worked<BrewPlanAnswer> Plan, ForwardAnswer Forward)> Of(BrewPlanQuestion q,
        Func<DateTimeOffset, DateTimeOffset> local, Func<DateTimeOffset, DateTimeOffset?> window, Func<DateTimeOffset, RaceWindow?> left)
    {
        var first = BrewPlan.Of(q with { UseAt = Minute(q.Now) }, local);
        if (first.Refused is { } refused)
        {
            return refused;
        }

        Ruling<BrewPlanAnswer> At(DateTimeOffset use, double? hours) =>
            BrewPlan.Of(q with { UseAt = use, LeastHours = hours, Window = left(use) }, local);
        var soonest = Soonest(q.Now, first.Value.EarliestUseAt, use => At(use, null));

        var p = soonest.Value;
        string When(DateTimeOffset at) => Say.Clock(at, q.Now, local);
        Ruling<(Worked<BrewPlanAnswer>, ForwardAnswer)> Answer(Worked<BrewPlanAnswer> plan, bool meets, string says) =>
            Worked.Of((plan, new ForwardAnswer(plan.Value, meets, says)), "", plan.Sure);
        var can = $"Begun now it can go out at {When(p.UseAt)}";
        if (window(p.UseAt) is not { } next)
        {
            return Answer(soonest.Worked, false, $"{can}; no window is in sight within two days of that.");
        }

        var wait = (next - p.UseAt).TotalHours;
        if (wait < StaysWithinMinutes / 60)
        {
            return Answer(soonest.Worked, true, $"{can}, in a window.");
        }

        if (p.Making != Making.Tea)
        {
            return Answer(soonest.Worked, false, $"{can}; the next window is at {When(next)}, and it does not keep: begin it "
                + $"{Say.Hours(wait)} later.");
        }

        var waiting = At(next, p.BrewHours + wait);
        return waiting.Refused is null && waiting.Value.BrewHours > p.BrewHours + wait - 0.3
            ? Answer(waiting.Worked, true, $"Begun now it could go out at {When(p.UseAt)}; it stays on the air "
                + $"{Say.Hours(wait)} longer and meets the window at {When(next)}.")
            : Answer(soonest.Worked, false, $"{can}; by the next window, {When(next)}, it would be too old: begin it "
                + $"{Say.Hours(wait)} later.");
    }

    /// <summary>The plan whose first step is now. Another hour of use is another stretch of the day's warmth, and so another brewing
    /// time: it is closed in on from both sides.</summary>
    private static Ruling<BrewPlanAnswer> Soonest(DateTimeOffset now, DateTimeOffset earliest,
        Func<DateTimeOffset, Ruling<BrewPlanAnswer>> at)
    {
        TimeSpan Slack(Ruling<BrewPlanAnswer> plan) => plan.Value.Steps.Min(s => s.At) - now;
        var best = at(Minute(earliest));
        for (var (i, last) = (0, best); i < 8 && Slack(last) is var slack && (slack < TimeSpan.Zero || slack > Near); i++)
        {
            // never below now: a plan for what has passed is refused
            var use = last.Value.UseAt - slack;
            last = at(Minute(use > now ? use : now));
            best = Slack(best) < TimeSpan.Zero || (Slack(last) >= TimeSpan.Zero && Slack(last) < Slack(best)) ? last : best;
        }

        return best;
    }

    private static readonly TimeSpan Near = TimeSpan.FromMinutes(5);

    /// <summary>Where a brew that runs forward goes out, by what has been read of it since.</summary>
    /// <param name="use">When it is to go out so far.</param>
    /// <param name="startedAt">When it was begun.</param>
    /// <param name="readyAtH">Hours in which it is ready, in the middle of the band; null where it never is.</param>
    /// <param name="afterH">Hours between ready and the first draw: check and setting up.</param>
    /// <param name="now">Now.</param>
    /// <param name="window">The first window from a moment on.</param>
    /// <returns>The hour to move it to; null where it stays.</returns>
    /// <remarks>Ready at 20 h and not at 14 as planned, begun at 06:00: 02:30 with the setting up; the window from 05:30 is met in place
    /// of the evening's.</remarks>
    public static DateTimeOffset? MovesTo(DateTimeOffset use, DateTimeOffset startedAt, double? readyAtH, double afterH,
        DateTimeOffset now, Func<DateTimeOffset, DateTimeOffset?> window)
    {
        if (readyAtH is not { } ready)
        {
            return null;
        }

        var can = startedAt.AddHours(ready + afterH);
        var soonest = Minute(can > now ? can : now);
        var meets = window(soonest) is { } next && (next - startedAt).TotalHours <= FitToUse.OldestH ? next : soonest;
        return Math.Abs((meets - use).TotalMinutes) < StaysWithinMinutes ? null : meets;
    }

    private static DateTimeOffset Minute(DateTimeOffset at) =>
        new(((at.UtcTicks + TimeSpan.TicksPerMinute - 1) / TimeSpan.TicksPerMinute * TimeSpan.TicksPerMinute) + TimeSpan.TicksPerMinute,
            TimeSpan.Zero);
}
