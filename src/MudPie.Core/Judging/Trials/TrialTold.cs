using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Trials;

/// <summary>What a grower is told beside a trial's verdict: of which comparison, what it would earn, what would settle it, what watering
/// alone did.</summary>
public static class TrialTold
{
    /// <summary>The comparison that bears the verdict: of what is really tried, the one furthest the right way.</summary>
    public static ComparisonVerdict Headline(TrialAnswer answer, TrialQuestion asked) =>
        answer.Verdicts.Where(v => !asked.Bystanders.Contains(v.Of)).OrderByDescending(v => v.Word == answer.Verdict)
            .ThenByDescending(v => asked.LowerIsBetter ? -v.Difference : v.Difference).First();

    /// <summary>What the difference would earn, where a price was given; less is more where less is better.</summary>
    public static Worked<EarnAnswer>? Earns(TrialMoney? money, ComparisonVerdict told, bool lowerIsBetter)
    {
        if (money is not { PricePerUnit: not null } kept)
        {
            return null;
        }

        var earns = lowerIsBetter ? TrialWorth.Earns(kept, -told.Difference, -told.Upper, -told.Lower)
            : TrialWorth.Earns(kept, told.Difference, told.Lower, told.Upper);
        return earns is { Refused: null } ? earns.Worked : null;
    }

    /// <summary>How several dates became one figure; empty where there was one.</summary>
    /// <remarks>A second visit that has come to one plot of 24: "8 Jun (1 of 24 plots) waits until each treatment was looked at".</remarks>
    public static string Dates(LaidTrial t, LaidMeasure m, IReadOnlyList<DatedFigure> standing, DateTimeOffset? on)
    {
        var all = standing.Where(r => r.MeasureId == m.Id).GroupBy(r => r.On).OrderBy(g => g.Key).ToList();
        if (on is not null)
        {
            return all.Count > 1 ? $"one of {all.Count} dates that were looked at" : "";
        }

        var counted = TrialAsking.Counted(t, m, standing);
        var says = (counted.Count, m.Dates) switch {
            ( <= 1, _) => "",
            (var n, DatesTo.Mean) => $"{n} dates made one figure a plot: the mean over time",
            (var n, DatesTo.Half) => $"{n} counts made one figure a plot: days until half of what came up was up",
            var (n, _) => $"the last of {n} dates",
        };
        List<string> begun = [.. all.Where(g => !counted.Contains(g.Key))
            .Select(g => $"{Say.Day(g.Key)} ({g.Select(r => r.PlotId).Distinct().Count()} of {t.Plots.Count} plots)")];
        return begun.Count == 0 ? says : string.Join("; ", new[] { says, $"{Say.List(begun)} {(begun.Count == 1 ? "waits" : "wait")} "
            + "until each treatment was looked at" }.Where(s => s.Length > 0));
    }

    /// <summary>What would settle it.</summary>
    /// <remarks>Four plots of each and no verdict: "3 more blocks next season: then you would know eight times in ten."</remarks>
    public static IEnumerable<string> Settle(LaidTrial t, TrialAnswer a, ComparisonVerdict told)
    {
        if (a.Verdict is Finding.NoUse or Finding.Works or Finding.Harm)
        {
            yield break;
        }

        if (told.MorePerTreatment is { } more)
        {
            var blocks = t.Design is Design.Blocks or Design.Factorial ? "blocks" : t.Design is Design.Paired or Design.Pair
                ? "pairs" : "plots of each";
            yield return more == 0
                ? "There are plots enough to see such a difference eight times in ten: the truth may lie near the line. Another season "
                    + "would tell."
                : $"{more} more {blocks} next season: then you would know eight times in ten.";
        }
        else if (told.Lower is null)
        {
            yield return "Four pairs or more, laid by lot: then there is something to judge by.";
        }

        if (a.NoiseSd is { } sd && a.Verdict == Finding.CannotTell && told.Lower is not null)
        {
            yield return $"Or quieter plots: those treated alike stray by {Say.Number(sd, 2)}{Say.Unit(a.Unit)}; weighing more plants a "
                + "plot, or even ground, brings that down.";
        }
    }

    /// <summary>What watering alone did, where tea, water only and nothing lay side by side.</summary>
    /// <remarks>Tea 12, water only 11, nothing 10 t/ha: watering alone did half of what tea did.</remarks>
    public static string? Water(LaidTrial t, TrialAnswer a, TrialQuestion asked)
    {
        var (water, nothing) = (t.With(TrialRole.Water), t.With(TrialRole.Control));
        if (water is null || nothing is null || !t.Liquid || a.Means.FirstOrDefault(m => m.Name == water.Name) is not { } w
            || a.Means.FirstOrDefault(m => m.Name == nothing.Name) is not { } n)
        {
            return null;
        }

        var best = a.Means.Where(m => m.Name != water.Name && m.Name != nothing.Name)
            .OrderByDescending(m => asked.LowerIsBetter ? -m.Mean : m.Mean).FirstOrDefault();
        if (best is null || (best.Mean - n.Mean) * (asked.LowerIsBetter ? -1 : 1) <= 0
            || (w.Mean - n.Mean) * (asked.LowerIsBetter ? -1 : 1) <= 0)
        {
            return null;
        }

        var share = (w.Mean - n.Mean) / (best.Mean - n.Mean);
        var pair = a.Tukey.FirstOrDefault(c => (c.Of == water.Name && c.Against == nothing.Name)
            || (c.Of == nothing.Name && c.Against == water.Name));
        var sure = pair is { Lower: { } l, Upper: { } u } && l * u < 0 ? " (itself inside the noise)" : "";
        return $"Watering alone did about {Say.Number(100 * Math.Min(share, 1), 2)} % of what {best.Name} did over nothing{sure}. Without "
            + "the water-only plots this would have looked like more.";
    }
}
