using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Mixing;

/// <summary>Says in a sentence what comes first of a job of mixing.</summary>
internal static class MixVerdict
{
    /// <summary>Raw char stops it; then what the days say of the charge, then what is not there.</summary>
    public static Verdict Of(MixBenchQuestion q, ChargePlan? plan, IReadOnlyList<FetchLine> fetch, IReadOnlyList<string> raw,
        (string Of, string Mix)? much)
    {
        if (q.State is MixState.Mixed or MixState.Filled)
        {
            return q.State == MixState.Mixed ? new Verdict(Tone.Go, "It is mixed: fill it in.",
                "Keep it damp and covered until then; what is over stays on the shelf as a lot.")
                : new Verdict(Tone.Go, "It is filled in.", "What is over lies on the shelf as a lot of its mix.");
        }

        if (raw.Count > 0 && string.IsNullOrWhiteSpace(q.RawWhy))
        {
            return new Verdict(Tone.Stop, $"Charge the {raw[0]} first.",
                "Raw char takes up the nitrogen that should feed the crop, for months. Charge it with castings for a fortnight, or write "
                    + "down why it goes in raw.");
        }

        if (much is { } by)
        {
            return new Verdict(Tone.Mind, $"Start smaller with {by.Of} in {by.Mix}.",
                "One part to ten, which is 1 in 11, until a test of this very lot and pots beside it say more: salts and potassium may be "
                    + "high.");
        }

        if (plan is not null && q.ChargedOn is { } begun)
        {
            var ready = begun.AddDays(MixBench.ChargeDays);
            return q.Today >= ready
                ? new Verdict(Tone.Go, "The charge is ready: mix when you like.",
                    $"It has lain {Say.Count(q.Today.DayNumber - begun.DayNumber, "day")}; longer does it good as long as it is damp.")
                : new Verdict(Tone.Mind, $"Wait until {Say.Day(ready)} before you mix.",
                    $"The char has lain {Say.Count(q.Today.DayNumber - begun.DayNumber, "day")} of {MixBench.ChargeDays}. Keep it "
                        + "damp as a "
                        + "wrung-out sponge.");
        }

        if (plan is { LastDay: { } last } && last < q.Today)
        {
            return new Verdict(Tone.Mind, $"Begin charging today and sow on {Say.Day(plan.ReadyOn)} or later.",
                $"To sow on {Say.Day(q.SowOn!.Value)} it had to be begun by {Say.Day(last)}: char wants {MixBench.ChargeDays} days.");
        }

        var missing = fetch.Where(f => f.ShortL > 0).ToList();
        var buy = missing.Count == 0 ? "" : "Fetch first: " + Say.List([.. missing.Take(3).Select(f =>
            $"{Units.Show(f.ShortL, Dimension.Volume, q.Units)} of {f.Name}")]) + (missing.Count > 3 ? " and more." : ".");
        if (plan is not null)
        {
            return new Verdict(Tone.Mind, plan.LastDay is { } day ? $"Begin charging by {Say.Day(day)}." : "Begin charging the "
                + $"{plan.Of} a fortnight before you mix.", buy.Length > 0 ? buy
                : "At least fourteen days before sowing; six weeks would be better.");
        }

        return missing.Count > 0 ? new Verdict(Tone.Mind, buy.TrimEnd('.') + ".", "The rest is on the shelf.")
            : new Verdict(Tone.Go, "Everything is there: mix when you like.", "On a tarp, dry parts first, until no streaks are left.");
    }
}
