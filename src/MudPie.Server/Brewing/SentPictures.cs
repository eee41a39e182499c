using MetadataExtractor;
using MetadataExtractor.Formats.Exif;
using MudPie.Core.Workings;

namespace MudPie.Server.Brewing;

/// <summary>A picture encoded again, with what its camera said beside it.</summary>
/// <param name="Jpeg">The picture.</param>
/// <param name="Small">The same, small.</param>
/// <param name="Taken">When, by the camera's own clock.</param>
/// <param name="Latitude">Where, degrees.</param>
/// <param name="Longitude">Degrees.</param>
public sealed record SentPicture(byte[] Jpeg, byte[] Small, DateTime? Taken, double? Latitude, double? Longitude);

/// <summary>Pictures as they are sent.</summary>
internal static class SentPictures
{
    /// <summary>The picture in a request's body, encoded again; or what is wrong with it.</summary>
    public static async Task<(byte[]? Jpeg, Refusal? Wrong)> ReadPicture(HttpRequest request)
    {
        var (bytes, wrong) = await Read(request);
        return bytes is null ? (null, wrong) : Pictures.Encode(bytes);
    }

    /// <summary>The same with what the camera wrote beside it, which is read from it before it is encoded again and is not kept in
    /// it.</summary>
    public static async Task<(SentPicture? Picture, Refusal? Wrong)> ReadWithFacts(HttpRequest request)
    {
        var (bytes, wrong) = await Read(request);
        if (bytes is null)
        {
            return (null, wrong);
        }

        var (jpeg, refused) = Pictures.Encode(bytes);
        if (jpeg is null)
        {
            return (null, refused);
        }

        var (taken, place) = Facts(bytes);
        return (new SentPicture(jpeg, Pictures.Small(jpeg), taken, place?.Latitude, place?.Longitude), null);
    }

    private static (DateTime? Taken, (double Latitude, double Longitude)? Place) Facts(byte[] bytes)
    {
        try
        {
            var all = ImageMetadataReader.ReadMetadata(new MemoryStream(bytes));
            var taken = all.OfType<ExifSubIfdDirectory>().Select(d => d.TryGetDateTime(ExifDirectoryBase.TagDateTimeOriginal, out var at)
                ? at : (DateTime?)null).FirstOrDefault(at => at is not null);
            var place = all.OfType<GpsDirectory>().Select(d => d.GetGeoLocation()).FirstOrDefault(g => g is { IsZero: false });
            return (taken, place is { Latitude: >= -90 and <= 90, Longitude: >= -180 and <= 180 } ? (place.Latitude, place.Longitude)
                : null);
        }
        catch (Exception e) when (e is ImageProcessingException or IOException or ArgumentException or OverflowException
            or IndexOutOfRangeException or FormatException)
        {
            return (null, null); // a picture all the same
        }
    }

    private static async Task<(byte[]? Bytes, Refusal? Wrong)> Read(HttpRequest request)
    {
        if (request.ContentLength is null or 0 or > MostPhotoBytes)
        {
            return (null, Refusal.Of("photo", request.ContentLength > MostPhotoBytes ? "That picture is larger than 25 MB."
                : "There is no picture.", "Bring a JPEG or PNG of up to 25 MB."));
        }

        using var memory = new MemoryStream();
        await request.Body.CopyToAsync(memory);
        return (memory.ToArray(), null);
    }

    internal const int MostPhotoBytes = 25 * 1024 * 1024;
}
