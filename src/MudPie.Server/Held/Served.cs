using Microsoft.AspNetCore.Mvc;

namespace MudPie.Server.Held;

/// <summary>Where an endpoint can be asked for; one that does not say so can be at a holding only.</summary>
/// <param name="Box">At a box's own page.</param>
/// <param name="Holding">At a holding.</param>
public sealed record ServedAt(bool Box, bool Holding);

/// <summary>Whose door a request came to.</summary>
public static class Served
{
    private const string Base = "mudpie-box";

    /// <summary>Can be asked for at a box's own page too.</summary>
    public static RouteHandlerBuilder AlsoAtBox(this RouteHandlerBuilder door) => door.WithMetadata(new ServedAt(true, true));

    /// <summary>Can be asked for at a box's own page and nowhere else.</summary>
    public static RouteHandlerBuilder OnlyAtBox(this RouteHandlerBuilder door) => door.WithMetadata(new ServedAt(true, false));

    /// <summary>The address of the box that a request came to, or to one of whose holdings; null where one holding is served.</summary>
    /// <returns>"https://box.example".</returns>
    public static string? BoxAddress(HttpContext context) => Root(context) is var (scheme, host) ? $"{scheme}://{host}" : null;

    /// <summary>The address of one of its holdings.</summary>
    /// <returns>"https://north-field.box.example".</returns>
    public static string? AddressOf(HttpContext context, string name) =>
        Root(context) is var (scheme, host) ? $"{scheme}://{name}.{host}" : null;

    private static (string Scheme, string Host)? Root(HttpContext context) => context.Items[Base] is not HostString host ? null
        : context.RequestServices.GetRequiredService<Reached>().Yard is { } yard ? (new Uri(yard).Scheme, new Uri(yard).Authority)
        : (context.Request.Scheme, host.ToString());

    /// <summary>What of a host's name names a holding, and what the box.</summary>
    /// <param name="host">"north-field.box.example".</param>
    /// <param name="bases">Names of the box.</param>
    /// <returns>"north-field" and "box.example"; an empty name for the box itself, also where it was asked for by an address.</returns>
    public static (string Name, string Base) Asked(string host, IReadOnlyList<string> bases)
    {
        host = host.ToLowerInvariant().TrimEnd('.');
        foreach (var named in bases)
        {
            if (host == named)
            {
                return ("", named);
            }

            if (host.EndsWith("." + named, StringComparison.Ordinal) && host[..^(named.Length + 1)] is var name && !name.Contains('.'))
            {
                return (name, named);
            }
        }

        return ("", bases[0]);
    }

    /// <summary>At a box: finds the holding that a request is for, and stays there until it is answered.</summary>
    /// <param name="app">The server.</param>
    /// <param name="bases">Names of the box.</param>
    public static void UseHoldings(this WebApplication app, IReadOnlyList<string> bases)
    {
        var all = app.Services.GetRequiredService<OpenHoldings>();
        if (all.Box is not { } box)
        {
            return;
        }

        app.Use(async (context, next) =>
        {
            var (name, named) = Asked(context.Request.Host.Host, bases);
            context.Items[Base] = context.Request.Host.Port is { } port ? new HostString(named, port) : new HostString(named);
            var at = context.RequestServices.GetRequiredService<AtHolding>();
            if (name.Length == 0 || context.Request.Path.StartsWithSegments("/assets"))
            {
                at.Holding = box;
                await next(context);
                return;
            }

            await Enter(context, next, all, at, name);
        });
    }

    private static async Task Enter(HttpContext context, RequestDelegate next, OpenHoldings all, AtHolding at, string name)
    {
        Visit? visit;
        try
        {
            visit = await all.Enter(name);
        }
        catch (OpeningException e)
        {
            context.RequestServices.GetRequiredService<ILogger<OpenHoldings>>().LogWarning("A holding could not be opened: {Why}",
                e.Message);
            await Say(context, 503, "This holding can't be opened now.", "Whoever keeps the box sees why. Nothing was lost.");
            return;
        }

        using (visit)
        {
            if (visit is null)
            {
                await Say(context, 404, "There is no holding of that name here.", "Look at the address, or ask whoever keeps the box.");
                return;
            }

            at.Holding = visit.Holding;
            await next(context);
        }
    }

    /// <summary>What belongs to a box is not asked of a holding, nor the other way round; to be used where it is known who asks.</summary>
    public static void UseServed(this WebApplication app) => app.Use((context, next) =>
    {
        var box = context.RequestServices.GetRequiredService<HoldingPlace>().IsBox;
        var served = context.GetEndpoint()?.Metadata.GetMetadata<ServedAt>() ?? new ServedAt(false, true);
        return (box ? served.Box : served.Holding) || !context.Request.Path.StartsWithSegments("/api") ? next(context)
            : box ? Say(context, 404, "That belongs to a holding.", "This is the page of the box. Open the holding by its own address.")
            : Say(context, 404, "There is no such page of the API.", "It is a co-operative's box that has it, and this is one holding.");
    });

    private static Task Say(HttpContext context, int status, string title, string detail)
    {
        context.Response.StatusCode = status;
        return context.Request.Path.StartsWithSegments("/api")
            ? context.Response.WriteAsJsonAsync(new ProblemDetails { Status = status, Title = title, Detail = detail }, options: null,
                "application/problem+json")
            : context.Response.WriteAsync($"{title} {detail}\n");
    }
}
