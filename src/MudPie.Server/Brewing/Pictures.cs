using MudPie.Core.Workings;
using SkiaSharp;

namespace MudPie.Server.Brewing;

/// <summary>Pictures as they come from a camera, made small, upright and plain.</summary>
public static class Pictures
{
    private const int LongestSide = 1600;
    private const long MostPixels = 40_000_000; // 160 MB while it is decoded
    private const long MostPixelsOfJpeg = 120_000_000; // decoded no larger than it is wanted: a phone's largest

    /// <summary>Decoded and encoded again, so that only a picture is kept: no place, no name, nothing hidden in it. Its size is looked at
    /// before anything is decoded, and one that breaks off is refused.</summary>
    /// <returns>A JPEG of up to 1600 pixels a side, or what is wrong.</returns>
    public static (byte[]? Jpeg, Refusal? Wrong) Encode(byte[] bytes)
    {
        using var codec = SKCodec.Create(new SKMemoryStream(bytes));
        if (codec is null || codec.EncodedFormat is not (SKEncodedImageFormat.Jpeg or SKEncodedImageFormat.Png))
        {
            return (null, Refusal.Of("photo", "That is not a picture that can be read.", "Bring a JPEG or PNG."));
        }

        var (width, height) = (codec.Info.Width, codec.Info.Height);
        var most = codec.EncodedFormat == SKEncodedImageFormat.Jpeg ? MostPixelsOfJpeg : MostPixels;
        if (width < 1 || height < 1 || (long)width * height > most)
        {
            return (null, Refusal.Of("photo", $"That picture has {width} × {height} pixels.",
                $"Bring one of up to {most / 1_000_000} million; a camera’s usual size will do."));
        }

        // A JPEG is decoded no larger than it is wanted.
        var size = codec.GetScaledDimensions(Math.Min(1f, 2f * LongestSide / Math.Max(width, height)));
        var info = new SKImageInfo(size.Width, size.Height, SKColorType.Rgba8888, SKAlphaType.Premul);
        using var bitmap = new SKBitmap(info);
        if (codec.GetPixels(info, bitmap.GetPixels()) != SKCodecResult.Success)
        {
            return (null, Refusal.Of("photo", "That picture breaks off, or is damaged.", "Send it again; if it stays so, take it anew."));
        }

        using var upright = Upright(bitmap, codec.EncodedOrigin);
        var scale = Math.Min(1.0, (double)LongestSide / Math.Max(upright.Width, upright.Height));
        using var sized = upright.Resize(new SKImageInfo(Math.Max(1, (int)(upright.Width * scale)),
            Math.Max(1, (int)(upright.Height * scale))), new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear));
        using var image = SKImage.FromBitmap(sized ?? upright);
        return (image.Encode(SKEncodedImageFormat.Jpeg, 82).ToArray(), null);
    }

    /// <summary>A small one for strips and lists: a JPEG of up to 320 pixels a side.</summary>
    /// <param name="jpeg">What <see cref="Encode"/> gave.</param>
    public static byte[] Small(byte[] jpeg)
    {
        using var whole = SKBitmap.Decode(jpeg);
        var scale = Math.Min(1.0, (double)SmallSide / Math.Max(whole.Width, whole.Height));
        using var sized = whole.Resize(new SKImageInfo(Math.Max(1, (int)(whole.Width * scale)), Math.Max(1, (int)(whole.Height * scale))),
            new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear));
        using var image = SKImage.FromBitmap(sized ?? whole);
        return image.Encode(SKEncodedImageFormat.Jpeg, 75).ToArray();
    }

    private const int SmallSide = 320;

    /// <summary>Turned as the camera was held: orientations 1 to 8 of Exif.</summary>
    private static SKBitmap Upright(SKBitmap held, SKEncodedOrigin origin)
    {
        var aside = origin is SKEncodedOrigin.LeftTop or SKEncodedOrigin.RightTop or SKEncodedOrigin.RightBottom
            or SKEncodedOrigin.LeftBottom;
        var (w, h) = (held.Width, held.Height);
        var turned = new SKBitmap(aside ? h : w, aside ? w : h);
        using var canvas = new SKCanvas(turned);
        canvas.Concat(origin switch {
            SKEncodedOrigin.TopRight => new SKMatrix(-1, 0, w, 0, 1, 0, 0, 0, 1),
            SKEncodedOrigin.BottomRight => new SKMatrix(-1, 0, w, 0, -1, h, 0, 0, 1),
            SKEncodedOrigin.BottomLeft => new SKMatrix(1, 0, 0, 0, -1, h, 0, 0, 1),
            SKEncodedOrigin.LeftTop => new SKMatrix(0, 1, 0, 1, 0, 0, 0, 0, 1),
            SKEncodedOrigin.RightTop => new SKMatrix(0, -1, h, 1, 0, 0, 0, 0, 1),
            SKEncodedOrigin.RightBottom => new SKMatrix(0, -1, h, -1, 0, w, 0, 0, 1),
            SKEncodedOrigin.LeftBottom => new SKMatrix(0, 1, 0, -1, 0, w, 0, 0, 1),
            _ => SKMatrix.Identity,
        });
        canvas.DrawBitmap(held, 0, 0, new SKSamplingOptions(SKFilterMode.Nearest));
        return turned;
    }
}
