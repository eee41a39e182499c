using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Server.Web;

namespace MudPie.Server.Brewing;

/// <summary>A logger's file as text.</summary>
public sealed record LoggerRequest(string? Csv);

/// <summary>How many readings were kept.</summary>
public sealed record Brought(int Readings);

/// <summary>Things brought to a batch from elsewhere: a logger's file, a photo.</summary>
public static class BringEndpoints
{
    /// <summary>What can be brought.</summary>
    public static void MapBringing(this IEndpointRouteBuilder api)
    {
        api.MapPost("/brew/batches/{id:int}/logger/preview", Preview).ForVisitor("What a logger's file would bring.");
        api.MapPost("/brew/batches/{id:int}/logger", Bring).ForHand("Brings a logger's file in, each figure once.");
        api.MapPost("/brew/batches/{id:int}/photos", AddPhoto).ForHand("Keeps a picture of a brew, made anew.")
            .Accepts<byte[]>("image/jpeg", "image/png");
        api.MapGet("/brew/photos/{id:int}", ReadPhoto).ForVisitor("A picture.");
    }

    private static async Task<Results<Ok<LoggerPreview>, Refused>> Preview(int id, LoggerRequest request, HoldingDb db, HoldingClock clock)
    {
        var started = await db.Batches.Where(b => b.Id == id).Select(b => b.StartedAt).FirstOrDefaultAsync();
        return started is null
            ? Problems.Of(Refusal.Of("state", "This batch has not begun.", "Start it first."))
            : TypedResults.Ok(LoggerCsv.Read(request.Csv ?? "", started.Value, clock.Now, await clock.Local()).Preview);
    }

    private static async Task<Results<Written<Brought>, Refused, Clash>> Bring(int id, LoggerRequest request, HoldingDb db,
        HoldingClock clock, Writes writes) =>
        await writes.Do<Brought>(async () =>
    {
        var batch = await db.Batches.FirstOrDefaultAsync(b => b.Id == id);
        if (batch?.StartedAt is not { } started)
        {
            return Refusal.Of("state", "This batch has not begun.", "Start it first.");
        }

        var (preview, rows) = LoggerCsv.Read(request.Csv ?? "", started, clock.Now, await clock.Local());
        if (preview.Problems.Count > 0)
        {
            return LoggerCsv.Refuse(preview);
        }

        var known = (await db.Log.Where(l => l.BatchId == id && l.Source == "logger").Select(l => new { l.Kind, l.At })
            .ToListAsync()).Select(l => (l.Kind, l.At)).ToHashSet();
        var entries = rows.SelectMany(r => new[] { (Kind: LogKind.Oxygen, r.At, Value: r.MgPerL),
            (Kind: LogKind.Warmth, r.At, Value: r.TemperatureC) })
            .Where(e => e.Value is not null && known.Add((e.Kind, e.At)))
            .ToList();
        foreach (var e in entries)
        {
            // What a logger saw is brought also when the brew is over: it was so. The limits are those of every door.
            var said = BrewSaid.Of(e.Kind, e.Value!.Value);
            if (said.Refused is { } refused)
            {
                return refused;
            }

            db.Log.Add(new LogEntry {
                BatchId = id, Kind = e.Kind, At = e.At, RecordedAt = clock.Now, Number = said.Value.Number, Source = "logger"
            });
        }

        await db.SaveChangesAsync();
        return Writes.Done(new Brought(entries.Count));
    });

    private static async Task<Results<Written<Kept>, Refused, Clash>> AddPhoto(int id, HttpRequest request, HoldingDb db,
        HoldingClock clock, Writes writes, DateTimeOffset? at = null)
    {
        var (jpeg, wrong) = await SentPictures.ReadPicture(request);
        return jpeg is null ? Problems.Of(wrong!) : await writes.Do<Kept>(async () =>
        {
            if (!await db.Batches.AnyAsync(b => b.Id == id))
            {
                return Refusal.Of("id", "There is no such batch.", "Open it from the list.");
            }

            var checks = new Checks();
            var taken = checks.Past("at", at, clock.Now);
            if (!checks.Sound)
            {
                return checks.Refusal;
            }

            var photo = new Photo { BatchId = id, Jpeg = jpeg };
            db.Photos.Add(photo);
            await db.SaveChangesAsync();
            db.Log.Add(new LogEntry {
                BatchId = id, Kind = LogKind.Photo, At = taken, RecordedAt = clock.Now, Source = "hand",
                PhotoId = photo.Id
            });
            return Writes.Done(new Kept(photo.Id));
        });
    }

    private static async Task<Results<FileContentHttpResult, Missing>> ReadPhoto(int id, HoldingDb db) =>
        await db.Photos.AsNoTracking().Where(p => p.Id == id).Select(p => p.Jpeg).FirstOrDefaultAsync() is { } jpeg
            ? TypedResults.File(jpeg, "image/jpeg")
            : Problems.NotFound("photo");
}
