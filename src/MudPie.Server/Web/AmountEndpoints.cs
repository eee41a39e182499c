using MudPie.Core.Brewing;
using MudPie.Core.Measures;

namespace MudPie.Server.Web;

/// <summary>An amount as typed, and what kind of thing it should be; of a source of brews, a weight may stand for a volume.</summary>
public sealed record AmountRequest(string? Text, Dimension Dimension, string? OfSource = null);

/// <summary>Reads amounts for fields that show at once what was understood.</summary>
public static class AmountEndpoints
{
    /// <summary>What can be asked.</summary>
    public static void MapAmounts(this IEndpointRouteBuilder api) =>
        api.MapPost("/amounts/read", async (AmountRequest request, HoldingClock clock) =>
            Problems.Answer(request.Dimension == Dimension.Volume && Ingredients.Source(request.OfSource) is { } source
                ? AmountText.ReadLoose("text", request.Text, source.KgPerLitre, await clock.Units())
                : AmountText.Read("text", request.Text, request.Dimension, await clock.Units())))
                .ForVisitor("An amount as typed, read in SI and shown in tools.");
}
