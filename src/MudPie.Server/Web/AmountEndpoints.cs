using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Server.Web;

/// <summary>An amount as typed, and what kind of thing it should be.</summary>
public sealed record AmountRequest(string? Text, Dimension Dimension);

/// <summary>Reads amounts for fields that show at once what was understood.</summary>
public static class AmountEndpoints
{
    /// <summary>What can be asked.</summary>
    public static void MapAmounts(this IEndpointRouteBuilder api) =>
        api.MapPost("/amounts/read", async (AmountRequest request, HoldingClock clock) =>
            Problems.Answer(AmountText.Read("text", request.Text, request.Dimension, await clock.Units()))).Produces<Worked<Amount>>().ProducesProblem(422);
}
