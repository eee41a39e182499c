using MudPie.Core.Judging.Trials;
using MudPie.Core.Workings;
using MudPie.Records.Judging;
using MudPie.Server.Web;

namespace MudPie.Server.Judging;

/// <summary>A trial judged, measure by measure.</summary>
public static class TrialAnswerEndpoints
{
    /// <summary>What can be asked.</summary>
    public static void MapTrialAnswers(this IEndpointRouteBuilder api) => api.MapGet("/judge/trials/{id:int}/answer", Answer);

    private static async Task<Results<Ok<TrialJudged>, Refused, Missing>> Answer(int id, int? measure, DateTimeOffset? on, TrialDesk desk,
        CancellationToken stop)
    {
        if (await desk.Find(id) is not { } t)
        {
            return Problems.NotFound("trial");
        }

        if (TrialDesk.Shut(t))
        {
            return Problems.Of(Refusal.Of("codes", "The codes are still shut.",
                "Open them once measuring is done; until then nobody should know."));
        }

        if ((measure is null ? t.Measures.FirstOrDefault() : t.Measures.FirstOrDefault(m => m.Id == measure)) is not { } m)
        {
            return Problems.NotFound("measure");
        }

        var standing = await desk.Standing(id);
        var asked = TrialDesk.Ask(t, m, standing, on, stop);
        var ruling = TrialAnalysis.Of(asked);
        return ruling.Refused is { } refused
            ? Problems.Of(refused) : TypedResults.Ok(Judged(t, m, asked, ruling.Worked, standing, on));
    }

    private static TrialJudged Judged(Trial t, TrialMeasure m, TrialQuestion asked, Worked<TrialAnswer> worked,
        IReadOnlyList<TrialReading> standing, DateTimeOffset? on)
    {
        var answer = worked.Value;
        var told = answer.Verdicts.Where(v => !asked.Bystanders.Contains(v.Of)).OrderByDescending(v => v.Word == answer.Verdict)
            .ThenByDescending(v => asked.LowerIsBetter ? -v.Difference : v.Difference).First();
        var sign = asked.LowerIsBetter ? -1 : 1;
        var money = m.Order == 0 && t.Money is { PricePerUnit: not null } kept && TrialWorth.Earns(kept, sign * told.Difference, sign > 0
            ? told.Lower : -told.Upper, sign > 0 ? told.Upper : -told.Lower) is { Refused: null } earns ? earns.Worked : null;
        return new TrialJudged(
            m.Id, worked, asked.WorthHaving, asked.LowerIsBetter, money, TrialDesk.Strength(t), Dates(m, standing, on),
            [.. Settle(t, answer, told)], Water(t, answer, asked),
            [.. asked.Rows.Where(r => r.Value is not null)
                .Select(r => new DotView(r.Plot, string.Join(", ", r.Levels), r.Block, r.OutOf is { } of && asked.Kind == Scale.Count
                    ? 100 * r.Value!.Value / of : r.Value!.Value))]);
    }

    private static string Dates(TrialMeasure m, IReadOnlyList<TrialReading> standing, DateTimeOffset? on)
    {
        var dates = standing.Where(r => r.MeasureId == m.Id).Select(r => r.On).Distinct().Count();
        return (dates, on, m.Dates) switch {
            ( <= 1, _, _) => "",
            (_, not null, _) => $"one of {dates} dates that were looked at",
            (_, _, "mean") => $"{dates} dates made one figure a plot: the mean over time",
            (_, _, "half") => $"{dates} counts made one figure a plot: days until half of what came up was up",
            _ => $"the last of {dates} dates",
        };
    }

    /// <summary>What would settle it.</summary>
    private static IEnumerable<string> Settle(Trial t, TrialAnswer a, ComparisonVerdict told)
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
    private static string? Water(Trial t, TrialAnswer a, TrialQuestion asked)
    {
        var (water, nothing) = (t.Treatments.FirstOrDefault(x => x.Role == TrialRole.Water),
            t.Treatments.FirstOrDefault(x => x.Role == TrialRole.Control));
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
