using Microsoft.AspNetCore.Mvc;

namespace MudPie.Server.Web;

/// <summary>No other site's page makes this server do anything: a browser says with each request where its page is from.</summary>
/// <remarks>Beside it stand the cookie, which browsers send to its own site only (SameSite=Strict), and the key that each write carries in
/// a header, which a page of another site can't set. A program that is no browser says nothing, and carries no cookie by itself.</remarks>
public static class SameSite
{
    /// <summary>Refuses what another site's page asks for, but to look.</summary>
    public static void UseSameSite(this WebApplication app) => app.Use((context, next) => Foreign(context.Request) ? Refuse(context)
        : next(context));

    private static bool Foreign(HttpRequest request)
    {
        if (HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method) || HttpMethods.IsOptions(request.Method))
        {
            return false;
        }

        return request.Headers["Sec-Fetch-Site"].ToString() is { Length: > 0 } site ? site is not ("same-origin" or "none")
            : request.Headers.Origin.ToString() is { Length: > 0 } origin
                && !(Uri.TryCreate(origin, UriKind.Absolute, out var from) && from.Authority == request.Host.Value);
    }

    private static Task Refuse(HttpContext context)
    {
        context.Response.StatusCode = 403;
        return context.Response.WriteAsJsonAsync(new ProblemDetails {
            Status = 403, Title = "Another site's page asked for that.", Detail = "Nothing was done. Open Mud Pie itself, and do it there."
        }, Json.Options, "application/problem+json");
    }
}
