using MudPie.Core.Judging;
using MudPie.Server.Web;

namespace MudPie.Server.Judging;

/// <summary>The practice plot: nothing is kept.</summary>
public static class PracticePlotEndpoints
{
    /// <summary>What can be asked.</summary>
    public static void MapPracticePlot(this IEndpointRouteBuilder api) =>
        api.MapPost("/judge/practice", async (PracticePlotQuestion q, HoldingClock clock) =>
            Problems.Answer(PracticePlot.Of(q, await clock.Units()))).ForVisitor("A made-up field to practise trials on.");
}
