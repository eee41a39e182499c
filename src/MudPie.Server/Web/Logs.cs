using System.Diagnostics;
using Microsoft.Extensions.Diagnostics.HealthChecks;
using MudPie.Records;
using Serilog;
using Serilog.Events;
using Serilog.Formatting.Compact;

namespace MudPie.Server.Web;

/// <summary>What the server says of itself to whoever runs it: lines of JSON, and whether it lives.</summary>
/// <remarks>No names, addresses, words or figures of anybody: of a request only its method, the pattern of its address, its status, how
/// long it took, and in which role it was asked.</remarks>
public static class Logs
{
    private const string Requests = "MudPie.Requests";
    private const string AddsPaths = "Microsoft.AspNetCore.Hosting.Diagnostics"; // to every line, the address that was asked
    private const int Days = 14;
    private const long MostBytes = 20_000_000;

    /// <summary>Where lines go: "-" to standard output, else a folder; null where none are kept, and then only warnings are said in plain
    /// text.</summary>
    public static string? To(IConfiguration settings) => settings["Holding:Logs"] is { Length: > 0 } to ? to : null;

    /// <summary>Adds them.</summary>
    public static void AddLogs(this WebApplicationBuilder builder)
    {
        builder.Services.AddHealthChecks().AddCheck<FileCheck>("holding");
        if (To(builder.Configuration) is not { } to)
        {
            return;
        }

        // its levels are its own: the filters of the framework's logging are not asked
        var lines = new LoggerConfiguration().MinimumLevel.Warning().MinimumLevel.Override(Requests, LogEventLevel.Information);
        foreach (var shouts in App.Shouts.Append(AddsPaths))
        {
            lines.MinimumLevel.Override(shouts, LevelAlias.Off);
        }

        lines = to == "-" ? lines.WriteTo.Console(new CompactJsonFormatter())
            : lines.WriteTo.File(new CompactJsonFormatter(), Path.Combine(to, "mudpie-.jsonl"), rollingInterval: RollingInterval.Day,
                retainedFileCountLimit: Days, fileSizeLimitBytes: MostBytes, rollOnFileSizeLimit: true);
        builder.Logging.ClearProviders().AddSerilog(lines.CreateLogger(), dispose: true);
    }

    /// <summary>A line for each request that is answered.</summary>
    public static void UseRequestLines(this WebApplication app)
    {
        if (To(app.Configuration) is null)
        {
            return;
        }

        var log = app.Services.GetRequiredService<ILoggerFactory>().CreateLogger(Requests);
        app.Use(async (context, next) =>
        {
            var began = Stopwatch.GetTimestamp();
            try
            {
                await next(context);
            }
            finally
            {
                // the pattern, and not what stood in its place
                var pattern = (context.GetEndpoint() as RouteEndpoint)?.RoutePattern.RawText ?? "none";
                log.LogInformation("{Method} {Pattern} {Status} {Milliseconds} {Role}", Known(context.Request.Method), pattern,
                    context.Response.StatusCode, Math.Round(Stopwatch.GetElapsedTime(began).TotalMilliseconds, 1),
                    context.RequestServices.GetService<Whoever>()?.Role);
            }
        });
    }

    // what comes as a method is a stranger's word until it is one that is known
    private static string Known(string method) => HttpMethods.IsGet(method) || HttpMethods.IsPost(method) || HttpMethods.IsHead(method)
        || HttpMethods.IsPut(method) || HttpMethods.IsDelete(method) || HttpMethods.IsOptions(method) ? method : "other";

    /// <summary>Whether it lives, and whether it can serve: for a proxy, a container or a unit, without signing in.</summary>
    public static void MapHealth(this WebApplication app)
    {
        app.MapHealthChecks("/health", new() { Predicate = _ => false }).AllowAnonymous(); // it answers: that is all
        app.MapHealthChecks("/ready").AllowAnonymous();
    }

    // a check has a scope of its own, which is at no holding: hence that of the request
    private sealed class FileCheck(IHttpContextAccessor accessor) : IHealthCheck
    {
        public async Task<HealthCheckResult> CheckHealthAsync(HealthCheckContext context, CancellationToken cancellationToken = default)
        {
            try
            {
                var db = accessor.HttpContext!.RequestServices.GetRequiredService<HoldingDb>();
                _ = await Microsoft.EntityFrameworkCore.EntityFrameworkQueryableExtensions.AnyAsync(db.Holdings, cancellationToken);
                return HealthCheckResult.Healthy();
            }
            catch (Exception e) when (e is System.Data.Common.DbException || FileTrouble.Of(e) is not null)
            {
                return HealthCheckResult.Unhealthy();
            }
        }
    }
}
