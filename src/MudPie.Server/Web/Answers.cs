using System.Reflection;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Mvc;

namespace MudPie.Server.Web;

/// <summary>422: what was asked can't be right; each field is named with what was wrong and the way out.</summary>
public sealed class Refused(ProblemDetails details) : Problem(details), IEndpointMetadataProvider
{
    /// <inheritdoc/>
    public static void PopulateMetadata(MethodInfo method, EndpointBuilder builder) =>
        Says(builder, StatusCodes.Status422UnprocessableEntity);
}

/// <summary>404: what an address names is not there.</summary>
public sealed class Missing(ProblemDetails details) : Problem(details), IEndpointMetadataProvider
{
    /// <inheritdoc/>
    public static void PopulateMetadata(MethodInfo method, EndpointBuilder builder) => Says(builder, StatusCodes.Status404NotFound);
}

/// <summary>409: somebody else was there first, or this key was used before for something else. Nothing was overwritten.</summary>
public sealed class Clash(ProblemDetails details) : Problem(details), IEndpointMetadataProvider
{
    /// <inheritdoc/>
    public static void PopulateMetadata(MethodInfo method, EndpointBuilder builder) => Says(builder, StatusCodes.Status409Conflict);
}

/// <summary>200: written, with the answer that was kept for its key and is given again, letter for letter, when it is sent again.</summary>
/// <param name="body">The answer as JSON.</param>
public sealed class Written<T>(string body) : IResult, IEndpointMetadataProvider
{
    /// <inheritdoc/>
    public Task ExecuteAsync(HttpContext httpContext) => TypedResults.Content(body, "application/json").ExecuteAsync(httpContext);

    /// <inheritdoc/>
    public static void PopulateMetadata(MethodInfo method, EndpointBuilder builder) =>
        builder.Metadata.Add(new ProducesResponseTypeMetadata(StatusCodes.Status200OK, typeof(T), ["application/json"]));
}

/// <summary>A "no" as RFC 9457 problem details.</summary>
public abstract class Problem(ProblemDetails details) : IResult
{
    /// <inheritdoc/>
    public Task ExecuteAsync(HttpContext httpContext) => TypedResults.Problem(details).ExecuteAsync(httpContext);

    private protected static void Says(EndpointBuilder builder, int status) =>
        builder.Metadata.Add(new ProducesResponseTypeMetadata(status, typeof(ProblemDetails), ["application/problem+json"]));
}
