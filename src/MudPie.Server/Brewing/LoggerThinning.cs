using Microsoft.EntityFrameworkCore;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Server.Web;

namespace MudPie.Server.Brewing;

/// <summary>A logger's figures as drawings and the forecast take them: a few as they are, many as means of even spans of time.</summary>
public static class LoggerThinning
{
    /// <summary>What the log says of where such a figure is from.</summary>
    public const string Source = "logger";

    /// <summary>So many are taken as they are.</summary>
    public const int Few = 600;

    private const int MostOfAKind = 300;
    private const long LeastSpanMs = 600_000;

    private sealed record Mean(string Kind, int Id, long At, double Number);

    /// <summary>The logger's entries of a batch that stand, or means of them.</summary>
    public static async Task<List<LogEntry>> Of(HoldingDb db, int batchId)
    {
        var standing = db.Log.AsNoTracking().Where(l => l.BatchId == batchId && l.Source == Source);
        if (await standing.CountAsync() is var many && many <= Few)
        {
            return many == 0 ? [] : await standing.ToListAsync();
        }

        var (first, last) = (await standing.MinAsync(l => l.At), await standing.MaxAsync(l => l.At));
        var span = Math.Max(LeastSpanMs, (long)(last - first).TotalMilliseconds / MostOfAKind);
        var means = await db.Database.SqlQuery<Mean>($"""
            SELECT "Kind", MAX("Id") AS "Id", CAST(AVG("At") AS INTEGER) AS "At", AVG("Number") AS "Number" FROM "Log" AS l
            WHERE "BatchId" = {batchId} AND "Source" = {Source} AND NOT EXISTS (SELECT 1 FROM "Log" AS c WHERE c."CorrectsId" = l."Id")
            GROUP BY "Kind", "At" / {span}
            """).ToListAsync();
        return [.. means.Select(m => new LogEntry { Id = m.Id, BatchId = batchId, Kind = Words.Must<LogKind>(m.Kind),
            At = DateTimeOffset.FromUnixTimeMilliseconds(m.At), RecordedAt = DateTimeOffset.FromUnixTimeMilliseconds(m.At),
            Number = m.Number, Source = Source })];
    }

    /// <summary>How many there are, and what stands for them; null where all are shown.</summary>
    public static async Task<string?> Says(HoldingDb db, int batchId, int shown)
    {
        var many = await db.Log.CountAsync(l => l.BatchId == batchId && l.Source == Source);
        return many <= Few
            ? null : $"{many:N0} figures of the logger are kept; {Say.Number(shown)} means of even spans stand for them here and in the "
                + "forecast.";
    }
}

/// <summary>A page of a batch's whole log.</summary>
public sealed record LogPage(int Page, int Pages, int Entries, IReadOnlyList<LogView> Log);

/// <summary>All that was logged, page by page.</summary>
public static class BatchLogEndpoints
{
    private const int PerPage = 500;

    /// <summary>What can be asked.</summary>
    public static void MapBatchLogs(this IEndpointRouteBuilder api) => api.MapGet("/brew/batches/{id:int}/log", Read)
        .ForVisitor("All of a brew's log, page by page.");

    private static async Task<Results<Ok<LogPage>, Missing>> Read(int id, HoldingDb db, Web.HoldingClock clock, int page = 1)
    {
        if (!await db.Batches.AnyAsync(b => b.Id == id))
        {
            return Web.Problems.NotFound("batch");
        }

        var all = db.Log.AsNoTracking().Where(l => l.BatchId == id);
        var (many, units) = (await all.CountAsync(), await clock.Units());
        var pages = Math.Max(1, (many + PerPage - 1) / PerPage);
        page = Math.Clamp(page, 1, pages);
        var rows = await all.OrderByDescending(l => l.At).ThenByDescending(l => l.Id).Skip((page - 1) * PerPage).Take(PerPage)
            .ToListAsync();
        var ids = rows.Select(r => r.Id).ToList();
        var corrected = (await db.Log.AsNoTracking().Where(l => l.CorrectsId != null && ids.Contains(l.CorrectsId.Value))
            .ToListAsync()).RightedBy();
        return TypedResults.Ok(new LogPage(page, pages, many, [.. rows.Select(l => BatchViews.Line(l, corrected, units))]));
    }
}
