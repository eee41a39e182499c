using System.ComponentModel;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Routing.Template;
using MudPie.Core.Workings;

namespace MudPie.Server.Web;

/// <summary>Every refusal says why: what the framework answers with an empty body is said as problem details too.</summary>
public static class PlainAnswers
{
    /// <summary>What is said where no endpoint takes a request of the API: another method, another kind of content, or nothing there at
    /// all.</summary>
    public static IResult NoEndpoint(HttpContext context, IEnumerable<EndpointDataSource> sources)
    {
        var methods = sources.SelectMany(s => s.Endpoints).OfType<RouteEndpoint>()
            .Where(e => e.RoutePattern.RawText?.StartsWith("/api/", StringComparison.Ordinal) == true
                && e.Metadata.GetMetadata<HttpMethodMetadata>() is { HttpMethods.Count: > 0 }
                && new TemplateMatcher(new RouteTemplate(e.RoutePattern), []).TryMatch(context.Request.Path, []))
            .SelectMany(e => e.Metadata.GetMetadata<HttpMethodMetadata>()!.HttpMethods).Distinct().Order().ToList();
        if (methods.Count == 0)
        {
            return Problems.NotFound("page of the API");
        }

        if (methods.Contains(context.Request.Method))
        {
            var carries = !HttpMethods.IsGet(context.Request.Method) && !HttpMethods.IsHead(context.Request.Method);
            return TypedResults.StatusCode(carries && !context.Request.HasJsonContentType() ? 415 : 404);
        }

        context.Response.Headers.Allow = string.Join(", ", methods);
        return TypedResults.StatusCode(405);
    }

    /// <summary>To be used early: it sees the statuses of all that comes after.</summary>
    public static void UsePlainAnswers(this WebApplication app) => app.UseStatusCodePages(async context =>
    {
        var (status, request) = (context.HttpContext.Response.StatusCode, context.HttpContext.Request);
        if (status == 400 && Unread(context.HttpContext) is { } unread)
        {
            await context.HttpContext.Response.WriteAsJsonAsync(Problems.Details(unread, status), Json.Options, "application/problem+json");
            return;
        }

        var (title, detail) = status switch {
            400 => ("That request could not be read.",
                "Load the page again; if it was sent by a program, look at its address and headers."),
            404 => ("There is nothing at that address.", "It may have been opened from an old link. Nothing was lost."),
            405 => ($"{request.Method} can’t be used there.", $"It takes {context.HttpContext.Response.Headers.Allow}."),
            413 => ("That is too large.", "Send less at once: photos up to 25 MB, files up to 16 MB."),
            415 => ("That is not of a kind that is taken there.", "Send application/json, or for photos image/jpeg or image/png."),
            _ => ("That could not be done.", "Nothing was kept. Try it again."),
        };
        await context.HttpContext.Response.WriteAsJsonAsync(new ProblemDetails { Status = status, Title = title, Detail = detail },
            Json.Options, "application/problem+json");
    });

    /// <summary>The first part of a query that its endpoint could not read; null where all can be read. The generated code of endpoints
    /// answers an optional part that it can't read with a bare 400.</summary>
    private static Refusal? Unread(HttpContext context) =>
        (context.GetEndpoint()?.Metadata.GetOrderedMetadata<IParameterBindingMetadata>() ?? [])
            .Where(p => p.HasTryParse && context.Request.Query.ContainsKey(p.Name))
            .Select(p => (p.Name, Type: p.ParameterInfo.ParameterType, Given: context.Request.Query[p.Name].ToString()))
            .Where(p => !TypeDescriptor.GetConverter(p.Type).IsValid(p.Given))
            .Select(p => Problems.Unread(p.Name, p.Given)).FirstOrDefault();
}
