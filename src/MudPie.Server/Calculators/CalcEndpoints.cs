using System.Text.Json.Nodes;
using MudPie.Server.Web;

namespace MudPie.Server.Calculators;

/// <summary>A calculator in the list.</summary>
public sealed record CalculatorLine(string Name, string Line);

/// <summary>The open calculators over HTTP.</summary>
public static class CalcEndpoints
{
    /// <summary>What can be asked.</summary>
    public static void MapCalculators(this IEndpointRouteBuilder api)
    {
        api.MapGet("/calc", () => Catalogue.All.Select(c => new CalculatorLine(c.Name, c.Line))).ForVisitor("Calculators that there are.");
        api.MapGet("/calc/{name}/schema", Schema).ForVisitor("What a calculator asks.");
        api.MapPost("/calc/{name}", Ask).ForVisitor("Asks a calculator.").Accepts<JsonObject>("application/json");
    }

    private static Results<Ok<JsonNode>, Missing> Schema(string name) =>
        Catalogue.Find(name) is { } c ? TypedResults.Ok(c.Schema()) : Problems.NotFound("calculator");

    private static async Task<Results<Ok<JsonObject>, Refused, Missing>> Ask(string name, HttpRequest request, CancellationToken stop)
    {
        if (Catalogue.Find(name) is not { } calculator)
        {
            return Problems.NotFound("calculator");
        }

        using var reader = new StreamReader(request.Body);
        var (answer, refused) = calculator.Answer(await reader.ReadToEndAsync(stop), stop);
        return refused is null ? TypedResults.Ok(answer) : Problems.Of(refused);
    }
}
