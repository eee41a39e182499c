using System.Reflection;
using System.Text.Json;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Workings;
using MudPie.Records;

namespace MudPie.Server.Web;

/// <summary>Turns refusals into RFC 9457 problem details that name the field, what was wrong, and the way out.</summary>
public static class Problems
{
    /// <summary>A refusal as a 422.</summary>
    public static Refused Of(Refusal refusal) => new(Details(refusal));

    /// <summary>A worked value as it is, or its refusal as a 422.</summary>
    public static Results<Ok<Worked<T>>, Refused> Answer<T>(Ruling<T> ruling) =>
        ruling.Match<Results<Ok<Worked<T>>, Refused>>(w => TypedResults.Ok(w), no => Of(no));

    /// <summary>Nothing there.</summary>
    public static Missing NotFound(string what) => new(new ProblemDetails {
        Status = 404,
        Title = $"There is no such {what}.",
        Detail = "It may have been opened from an old link. Nothing was lost.",
    });

    /// <summary>What is said where a request was given up.</summary>
    public static Task TookTooLong(HttpContext context) => context.Response.WriteAsJsonAsync(
        new ProblemDetails {
            Status = 503, Title = "That took too long, and was stopped.",
            Detail = "Nothing was kept of it. Ask for less at once, or try it again."
        }, Json.Options, "application/problem+json");

    /// <summary>A part of an address that is no number, time or word as it should be; of a long one the first 60 signs are said.</summary>
    public static Refusal Unread(string part, string given) =>
        Refusal.Of(part, $"“{(given.Length > 60 ? given[..60] : given)}” could not be read.",
            "Give whole numbers as 3, other numbers as 6.4, times as 2026-05-01T06:30:00Z.");

    /// <summary>The details of a refusal.</summary>
    public static ProblemDetails Details(Refusal refusal, int status = 422) => new() {
        Status = status,
        Title = refusal.Problems.Count == 1 ? refusal.Problems[0].Wrong : "Some of this can't be right.",
        Detail = refusal.Problems.Count == 1 ? refusal.Problems[0].WayOut : "Nothing was kept. Each field says what would do.",
        Extensions =
        {
            ["errors"] = refusal.Problems.GroupBy(p => p.Field).ToDictionary(g => g.Key, g => g.Select(p => p.ToString()).ToArray()),
            ["fields"] = refusal.Problems,
        },
    };
}

/// <summary>What could not be read, or was changed by somebody else meanwhile, said in the same form.</summary>
public sealed partial class ProblemHandler(ILogger<ProblemHandler> log) : IExceptionHandler
{
    /// <inheritdoc/>
    public async ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        if (exception is OperationCanceledException or AggregateException { InnerException: OperationCanceledException })
        {
            return true; // whoever asked has gone: nobody is there to be told
        }

        var problem = exception switch {
            BadHttpRequestException { InnerException: JsonException json } => Unreadable(json),
            BadHttpRequestException bad => Problems.Details(Unbound(bad.Message), bad.StatusCode),
            DbUpdateConcurrencyException clash =>
                await Versions.Clash(clash, await httpContext.RequestServices.GetRequiredService<HoldingClock>().Units(),
                    cancellationToken),
            RegexMatchTimeoutException => new ProblemDetails {
                Status = 422, Title = "That text is too tangled to be understood.",
                Detail = "Write it shorter and plainer."
            },
            _ when FileTrouble.Of(exception) is { } trouble => new ProblemDetails {
                Status = trouble.Kind == "full" ? 507 : 503,
                Title = trouble.Wrong, Detail = trouble.WayOut, Extensions = { ["trouble"] = trouble.Kind }
            },
            _ => null,
        };
        if (problem?.Extensions.ContainsKey("trouble") == true)
        {
            log.LogWarning("{Wrong} {WayOut}", problem.Title, problem.Detail);
        }

        if (problem is null)
        {
            log.LogError(exception, "A request failed");
            problem = new ProblemDetails {
                Status = 500, Title = "Something broke in Mud Pie.",
                Detail = "What was kept before is safe; this one request was not kept. Try it again."
            };
        }

        httpContext.Response.StatusCode = problem.Status ?? 500;
        await httpContext.Response.WriteAsJsonAsync(problem, Json.Options, "application/problem+json", cancellationToken);
        return true;
    }

    /// <summary>A part of an address that is no number, day or word as it should be, or a body that is not there: "Failed to bind parameter
    /// "int page" from "abc"." names page.</summary>
    private static Refusal Unbound(string message) =>
        Parameter().Match(message) is { Success: true } bound
            ? Problems.Unread(bound.Groups[1].Value, bound.Groups[2].Value)
            : Refusal.Of("body", "There was nothing in the request, or it broke off.", "Send it again, whole.");

    [GeneratedRegex("parameter \"[^\" ]+ (\\w+)\" from \"([^\"]{0,60})", RegexOptions.NonBacktracking)]
    private static partial Regex Parameter();

    /// <summary>Names the field in which JSON went wrong: "$.foods[0].ml" is foods[0].ml.</summary>
    public static ProblemDetails Unreadable(JsonException json) => Problems.Details(Unread(json), 400);

    /// <summary>The same as a refusal.</summary>
    public static Refusal Unread(JsonException json)
    {
        var at = (json.Path ?? "").Replace("$.", "", StringComparison.Ordinal).Replace("$", "", StringComparison.Ordinal);
        if (json is RequestFault fault)
        {
            return new Refusal([at.Length == 0 ? fault.Problem : fault.Problem with { Field = $"{at}.{fault.Problem.Field}" }]);
        }

        if (Missing().Match(json.Message) is { Success: true } missing)
        {
            var names = missing.Groups[1].Value.Split(',').Select(n => n.Trim(' ', '\'', '.'));
            return new Refusal(
                [.. names.Select(n => new FieldProblem(at.Length == 0 ? n : $"{at}.{n}", "Nothing was given.", "Fill it in."))]);
        }

        if (Words(json.Message, at) is { } words)
        {
            return Refusal.Of(at.Length == 0 ? "body" : at, "That is not known here.", $"Use {Say.Any(Core.Ideas.Words.All(words))}.");
        }

        return Refusal.Of(at.Length == 0 ? "body" : at, "That could not be read.",
            "Give a number as 6.4, a text in quotes, a time as 2026-05-01T06:30:00Z.");
    }

    /// <summary>The type whose words a field takes, where it takes one of a few: the serializer names it, or the request that the field is
    /// in.</summary>
    private static Type? Words(string message, string at)
    {
        if (Ours().Match(message) is not { Success: true } named
            || (typeof(Refusal).Assembly.GetType(named.Value) ?? typeof(Problems).Assembly.GetType(named.Value)) is not { } type)
        {
            return null;
        }

        var field = type.IsEnum ? type : type.GetProperty(at[(at.LastIndexOf('.') + 1)..],
            BindingFlags.Public | BindingFlags.Instance | BindingFlags.IgnoreCase)?.PropertyType;
        return field is null ? null : (Nullable.GetUnderlyingType(field) ?? field) is { IsEnum: true } words ? words : null;
    }

    /// <summary>"… was missing required properties including: 'beds', 'items'.": the serializer has it in words only.</summary>
    [GeneratedRegex("missing required properties[^:]*: (.+)$", RegexOptions.NonBacktracking)]
    private static partial Regex Missing();

    /// <summary>A type of ours that a word did not fit: "… could not be converted to MudPie.Core.Measures.UnitSystem."</summary>
    [GeneratedRegex(@"MudPie(\.\w+)+", RegexOptions.NonBacktracking)]
    private static partial Regex Ours();
}
