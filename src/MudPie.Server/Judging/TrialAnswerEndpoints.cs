using MudPie.Core.Judging.Trials;
using MudPie.Core.Workings;
using MudPie.Server.Web;

namespace MudPie.Server.Judging;

/// <summary>A trial judged, measure by measure.</summary>
public static class TrialAnswerEndpoints
{
    /// <summary>What can be asked.</summary>
    public static void MapTrialAnswers(this IEndpointRouteBuilder api) => api.MapGet("/judge/trials/{id:int}/answer", Answer)
        .ForVisitor("A trial judged, measure by measure.");

    private static async Task<Results<Ok<TrialJudged>, Refused, Missing>> Answer(int id, int? measure, DateTimeOffset? on, TrialDesk desk,
        CancellationToken stop)
    {
        if (await desk.Find(id) is not { } t)
        {
            return Problems.NotFound("trial");
        }

        if (t.Shut())
        {
            return Problems.Of(Refusal.Of("codes", "The codes are still shut.",
                "Open them once measuring is done; until then nobody should know."));
        }

        if ((measure is null ? t.Measures.FirstOrDefault() : t.Measures.FirstOrDefault(m => m.Id == measure)) is not { } m)
        {
            return Problems.NotFound("measure");
        }

        var (laid, standing) = (t.Laid(), await desk.Standing(id));
        var asked = TrialAsking.Of(laid, m.Laid(), standing, on, stop);
        var judged = TrialAnalysis.Of(asked);
        if (judged.Refused is { } refused)
        {
            return Problems.Of(refused);
        }

        var told = TrialTold.Headline(judged.Value, asked);
        return TypedResults.Ok(new TrialJudged(
            m.Id, judged.Worked, asked.WorthHaving, asked.LowerIsBetter,
            m.Order == 0 ? TrialTold.Earns(t.Money, told, asked.LowerIsBetter) : null, laid.Strength,
            TrialTold.Dates(laid, m.Laid(), standing, on), [.. TrialTold.Settle(laid, judged.Value, told)],
            TrialTold.Water(laid, judged.Value, asked),
            [.. asked.Rows.Where(r => r.Value is not null)
                .Select(r => new DotView(r.Plot, string.Join(", ", r.Levels), r.Block, r.Drawn(asked.Kind)!.Value))]));
    }
}
