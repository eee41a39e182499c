using MudPie.Core.Workings;

namespace MudPie.Server.Brewing;

/// <summary>Pictures as they are sent.</summary>
internal static class SentPictures
{
    /// <summary>The picture in a request's body, encoded again; or what is wrong with it.</summary>
    public static async Task<(byte[]? Jpeg, Refusal? Wrong)> ReadPicture(HttpRequest request)
    {
        if (request.ContentLength is null or 0 or > MostPhotoBytes)
        {
            return (null, Refusal.Of("photo", request.ContentLength > MostPhotoBytes ? "That picture is larger than 12 MB."
                : "There is no picture.", "Bring a JPEG or PNG of up to 12 MB."));
        }

        using var memory = new MemoryStream();
        await request.Body.CopyToAsync(memory);
        return Pictures.Encode(memory.ToArray());
    }

    internal const int MostPhotoBytes = 12 * 1024 * 1024;
}
