using Microsoft.EntityFrameworkCore;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Records.Looking;
using MudPie.Server.Brewing;
using MudPie.Server.Web;

namespace MudPie.Server.Looking;

/// <summary>Pictures from the same place, year after year.</summary>
public static class PegPhotos
{
    /// <summary>What can be done.</summary>
    public static void MapPegPhotos(this IEndpointRouteBuilder api)
    {
        api.MapPost("/look/pegs/{id:int}/photos", Add).ForHand("Keeps a picture from a peg, or of the way there.")
            .Accepts<byte[]>("image/jpeg", "image/png");
        api.MapGet("/look/photos/{id:int}/small", Small).ForVisitor("A picture, small.");
    }

    private static async Task<Results<Written<Kept>, Refused, Clash>> Add(int id, HttpRequest request, HoldingDb db, HoldingClock clock,
        Writes writes, DateTimeOffset? at = null, bool way = false, bool above = false, string? toward = null, double? heightM = null,
        bool keepPlace = false)
    {
        var (picture, wrong) = await SentPictures.ReadWithFacts(request);
        return picture is null ? Problems.Of(wrong!) : await writes.Do<Kept>(async () =>
        {
            var checks = new Checks();
            if (!await db.Pegs.AnyAsync(p => p.Id == id))
            {
                checks.Add("id", "That peg is not there.", "Choose one from the walk.");
            }

            if (toward is { Length: > 60 })
            {
                checks.Add("toward", "That is too long.", "To the oak; north.");
            }

            if (heightM is not null)
            {
                checks.Range("heightM", heightM, 0, 200, "m");
            }

            var sent = checks.Past("at", at, clock.Now);
            if (!checks.Sound)
            {
                return checks.Refusal;
            }

            var photo = db.Photos.Add(new Photo { Jpeg = picture.Jpeg, Small = picture.Small }).Entity;
            await db.SaveChangesAsync();
            db.PegPhotos.Add(new PegPhoto {
                PegId = id, PhotoId = photo.Id, At = await Taken(picture, clock) ?? sent, RecordedAt = clock.Now, Way = way,
                Above = above, Toward = string.IsNullOrWhiteSpace(toward) ? null : toward.Trim(),
                HeightM = heightM, Latitude = keepPlace ? picture.Latitude : null, Longitude = keepPlace ? picture.Longitude : null
            });
            await db.SaveChangesAsync();
            return Writes.Done(new Kept(photo.Id));
        });
    }

    /// <summary>When the camera says it was taken, by the clock of the holding; null where it says nothing, or what can't be.</summary>
    private static async Task<DateTimeOffset?> Taken(SentPicture picture, HoldingClock clock)
    {
        if (picture.Taken is not { } said || said.Year is < 1990 or > 9000)
        {
            return null;
        }

        var there = new DateTimeOffset(DateTime.SpecifyKind(said, DateTimeKind.Unspecified), TimeSpan.Zero);
        var at = there - (await clock.Local())(there).Offset;
        return at <= clock.Now.AddMinutes(5) ? at : null;
    }

    private static async Task<Results<FileContentHttpResult, Missing>> Small(int id, HoldingDb db) =>
        await db.Photos.AsNoTracking().Where(p => p.Id == id).Select(p => new { p.Small, p.Jpeg }).FirstOrDefaultAsync() is { } photo
            ? TypedResults.File(photo.Small ?? photo.Jpeg, "image/jpeg") : Problems.NotFound("picture");
}
