using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Server.Web;

namespace MudPie.Server.Brewing;

/// <summary>A situation to choose.</summary>
public sealed record SituationView(string Id, string Name, string Story, double UseAtH);

/// <summary>The practice brew. Nothing is kept: the same deeds give the same brew.</summary>
public static class PracticeEndpoints
{
    /// <summary>What can be asked.</summary>
    public static void MapPractice(this IEndpointRouteBuilder api)
    {
        api.MapGet("/brew/practice", async (HoldingClock clock) =>
        {
            var units = await clock.Units();
            return PracticeBrew.Situations.Select(s => new SituationView(s.Id, s.Name, InUnits.Say(s.Story, units), s.UseAtH)).ToList();
        })
            .ForVisitor("A made-up brew to practise on.");
        api.MapPost("/brew/practice", (PracticeQuestion q) => Problems.Answer(PracticeBrew.Of(q)))
            .ForVisitor("The next move of a practice brew.");
    }
}
