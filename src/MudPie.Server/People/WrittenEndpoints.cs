using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Routing.Template;
using Microsoft.EntityFrameworkCore;
using MudPie.Records;
using MudPie.Server.Web;

namespace MudPie.Server.People;

/// <summary>A write, in a line.</summary>
/// <param name="Id">Its number.</param>
/// <param name="At">When it was received.</param>
/// <param name="By">Who; null where nobody had to sign in.</param>
/// <param name="Device">By what.</param>
/// <param name="Says">What it did, in the words of its door.</param>
public sealed record WrittenLine(int Id, DateTimeOffset At, string? By, string? Device, string Says);

/// <summary>Writes, newest first, forty a page.</summary>
/// <param name="Lines">They.</param>
/// <param name="More">Whether there are older ones.</param>
public sealed record WrittenView(IReadOnlyList<WrittenLine> Lines, bool More);

/// <summary>What was written, by whom.</summary>
public static class WrittenEndpoints
{
    private const int OnAPage = 40, MostPages = 100_000;

    /// <summary>What can be asked.</summary>
    public static void MapWritten(this IEndpointRouteBuilder api) =>
        api.MapGet("/people/written", Read).ForVisitor("What was written, by whom and by what, newest first.");

    private static async Task<WrittenView> Read(HoldingDb db, IEnumerable<EndpointDataSource> sources, int page = 0)
    {
        var deeds = await db.Deeds.AsNoTracking().OrderByDescending(d => d.Id).Skip(Math.Clamp(page, 0, MostPages) * OnAPage)
            .Take(OnAPage + 1).ToListAsync();
        var doors = sources.SelectMany(s => s.Endpoints).OfType<RouteEndpoint>().Select(e => (Of: e,
            Methods: e.Metadata.GetMetadata<HttpMethodMetadata>()?.HttpMethods ?? [],
            Says: e.Metadata.GetMetadata<IEndpointSummaryMetadata>()?.Summary)).Where(e => e.Says is not null).ToList();
        string Says(string request)
        {
            var (method, path) = request.IndexOf(' ') is > 0 and var at ? (request[..at], request[(at + 1)..]) : ("", request);
            return doors.Find(d => d.Methods.Contains(method) && new TemplateMatcher(new RouteTemplate(d.Of.RoutePattern), [])
                .TryMatch(path, [])).Says ?? request; // a door of before
        }

        return new WrittenView([.. deeds.Take(OnAPage).Select(d => new WrittenLine(d.Id, d.At, d.By, d.Device, Says(d.Request)))],
            deeds.Count > OnAPage);
    }
}
