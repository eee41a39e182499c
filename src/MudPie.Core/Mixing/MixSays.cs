using MudPie.Core.Workings;

namespace MudPie.Core.Mixing;

/// <summary>A job of mixing in a word and a figure, as it stands in the yard.</summary>
/// <param name="Tone">Go where nothing presses, or mind.</param>
/// <param name="Word">Its state: "charging".</param>
/// <param name="Figure">With what: "9 days of 14".</param>
public sealed record MixStands(Tone Tone, string Word, string Figure);

/// <summary>Something that a job of mixing wants.</summary>
/// <param name="Rule">Which: "charge", "look" or "mix".</param>
/// <param name="Urgency">0 now, 1 soon, 2 today, 3 when there is time.</param>
/// <param name="Title">What, in a few words.</param>
/// <param name="Detail">Why.</param>
/// <param name="Action">What its button says.</param>
/// <param name="On">The day it is due.</param>
public sealed record MixDue(string Rule, int Urgency, string Title, string Detail, string Action, DateOnly On);

/// <summary>What is said of a job, and what it wants next.</summary>
public static class MixSays
{
    /// <summary>Days before the last one from which a charge is called for.</summary>
    public const int CallDays = 7;

    /// <summary>Days between two looks at the charge.</summary>
    public const int LookDays = 7;

    /// <summary>How it stands.</summary>
    /// <param name="state">How far it has come.</param>
    /// <param name="steps">Steps that stand.</param>
    /// <param name="q">The job as it was read; null where it can't be.</param>
    /// <param name="today">The day that it is there.</param>
    /// <param name="now">Now.</param>
    public static MixStands Of(MixState state, IReadOnlyList<MixStepStands> steps, MixBenchQuestion? q, DateOnly today, DateTimeOffset now)
    {
        var last = steps.Count > 0 ? steps[^1].At : (DateTimeOffset?)null;
        var charged = steps.LastOrDefault(s => s.Step == MixStep.Charged)?.At;
        return state switch {
            MixState.Charging => Days(charged!.Value, now) is var d && d >= MixBench.ChargeDays
                ? new(Tone.Go, "charged", $"{Say.Count(d, "day")}: ready to mix")
                : new(Tone.Go, "charging", $"{Say.Count(d, "day")} of {MixBench.ChargeDays}"),
            MixState.Mixed => new(Tone.Go, "mixed", Say.Ago((now - last!.Value).TotalDays)),
            MixState.Filled => new(Tone.Go, "filled in", Say.Ago((now - last!.Value).TotalDays)),
            _ when LastDay(q) is { } by => by < today ? new(Tone.Mind, "charge late", $"by {Say.Day(by)} it had to be begun")
                : new(by <= today.AddDays(CallDays) ? Tone.Mind : Tone.Go, "planned", $"charge it by {Say.Day(by)}"),
            _ => new(Tone.Go, "planned", q?.SowOn is { } sow ? $"for {Say.Day(sow)}" : ""),
        };
    }

    /// <summary>What it wants now; null where nothing is due.</summary>
    /// <remarks>Charged on the 1st and looked at on the 8th: on the 15th it wants a look again, and can be mixed.</remarks>
    public static MixDue? Due(string name, IReadOnlyList<MixStepStands> steps, MixBenchQuestion? q, Func<DateTimeOffset, DateOnly> day,
        DateOnly today)
    {
        switch (MixDeeds.State(steps))
        {
            case MixState.Planned when LastDay(q) is { } by && by <= today.AddDays(CallDays):
                return new("charge", by <= today ? 1 : 3, $"Charge the {q!.Mixes.Precharged!.Of} for {name}", by < today
                    ? $"it had to be begun by {Say.Day(by)}: begin now, and sow later" : $"at the latest on {Say.Day(by)}: it wants "
                        + $"{MixBench.ChargeDays} days", "Lay it in", by);
            case MixState.Planned when LastDay(q) is null && q?.SowOn is { } sow && sow <= today.AddDays(3):
                return new("mix", sow <= today ? 1 : 2, $"Mix {name}", $"sowing is on {Say.Day(sow)}", "See the card", sow);
            case MixState.Charging:
                var charged = day(steps.Last(s => s.Step == MixStep.Charged).At);
                var looked = day(steps.Last(s => s.Step is MixStep.Charged or MixStep.Checked).At);
                var ready = charged.AddDays(MixBench.ChargeDays);
                if (q?.SowOn is { } sown && ready <= today && sown <= today.AddDays(1))
                {
                    return new("mix", 1, $"Mix {name}", $"the charge is ready, and sowing is on {Say.Day(sown)}", "See the card", sown);
                }

                return looked.AddDays(LookDays) <= today ? new("look", looked.AddDays(2 * LookDays) <= today ? 1 : 2,
                    $"Is the charge of {name} damp?", $"looked at {Say.Day(looked)}; as a wrung-out sponge is right", "Look at it",
                    looked.AddDays(LookDays)) : null;
            default:
                return null;
        }
    }

    /// <summary>What a calendar should hold of a job: the last day to begin charging, looks at the charge, mixing, sowing.</summary>
    /// <remarks>Sown on 2 March and nothing begun: 16 February, charge; 2 March, sow. Charged on 1 February: looks on the 8th and
    /// 15th.</remarks>
    public static IEnumerable<(string Id, DateOnly On, string What)> Dates(string name, IReadOnlyList<MixStepStands> steps,
        MixBenchQuestion q,
        Func<DateTimeOffset, DateOnly> day)
    {
        var state = MixDeeds.State(steps);
        if (state == MixState.Planned && LastDay(q) is { } by)
        {
            yield return ("charge", by, $"Charge the {q.Mixes.Precharged!.Of} for {name}, at the latest");
        }

        if (state == MixState.Charging)
        {
            var begun = day(steps.Last(s => s.Step == MixStep.Charged).At);
            foreach (var week in Enumerable.Range(1, 6))
            {
                if (begun.AddDays(LookDays * week) is var on && (on <= begun.AddDays(MixBench.ChargeDays) || on < q.SowOn))
                {
                    yield return ($"look-{week}", on, $"Is the charge of {name} damp?");
                }
            }
        }

        if (q.SowOn is { } sow && state != MixState.Filled)
        {
            yield return ("sow", sow, $"Sow or plant: {name}");
        }
    }

    private static DateOnly? LastDay(MixBenchQuestion? q) => q?.Mixes.Precharged is null ? null : q.SowOn?.AddDays(-MixBench.ChargeDays);

    private static int Days(DateTimeOffset from, DateTimeOffset now) => Math.Max(0, (int)(now - from).TotalDays);
}
