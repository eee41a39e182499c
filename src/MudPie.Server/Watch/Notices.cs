using Microsoft.EntityFrameworkCore;
using MudPie.Records;

namespace MudPie.Server.Watch;

/// <summary>Notices of the watch that stand.</summary>
internal static class Notices
{
    /// <summary>Notices that stand and are not put off.</summary>
    public static async Task<List<NoticeView>> Standing(HoldingDb db, DateTimeOffset now) =>
        await db.Notices.AsNoTracking().Where(n => n.DoneAt == null && (n.PutOffUntil == null || n.PutOffUntil <= now))
            .OrderByDescending(n => n.FiredAt).Take(50)
            .Select(n => new NoticeView(n.Id, n.BatchId, n.Rule, n.Tone, n.Title, n.Todo, n.At, n.FiredAt, n.PutOffUntil)).ToListAsync();
}
