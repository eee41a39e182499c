using System.Buffers.Binary;
using System.Text;
using SkiaSharp;

namespace MudPie.Server.Tests;

/// <summary>A picture as a camera writes it: with its hour and its place beside it (Exif 2.32, TIFF 6.0).</summary>
internal static class CameraPicture
{
    /// <summary>A JPEG taken at 52.5° N, 0.25° W.</summary>
    /// <param name="taken">"2026:06:09 07:30:00", by the camera's own clock.</param>
    public static byte[] Jpeg(string taken)
    {
        using var bitmap = new SKBitmap(900, 700);
        using (var canvas = new SKCanvas(bitmap))
        {
            canvas.Clear(SKColors.OliveDrab);
        }

        using var image = SKImage.FromBitmap(bitmap);
        var plain = image.Encode(SKEncodedImageFormat.Jpeg, 90).ToArray();
        var exif = Exif(taken);
        var head = new byte[] { 0xFF, 0xE1, (byte)((exif.Length + 2) >> 8), (byte)(exif.Length + 2) };
        return [.. plain[..2], .. head, .. exif, .. plain[2..]];
    }

    private static byte[] Exif(string taken)
    {
        var tiff = new byte[260];
        "II*\0"u8.CopyTo(tiff);
        U32(tiff, 4, 8);
        // IFD0 at 8: where the Exif and the place lie. Exif at 40, place at 80, what is too long for an entry from 160 on.
        Directory(tiff, 8, (0x8769, 4, 1, 40), (0x8825, 4, 1, 80));
        Directory(tiff, 40, (0x9003, 2, 20, 160));
        Encoding.ASCII.GetBytes(taken + "\0").CopyTo(tiff, 160);
        Directory(tiff, 80, (1, 2, 2, 'N'), (2, 5, 3, 184), (3, 2, 2, 'W'), (4, 5, 3, 208));
        Degrees(tiff, 184, 52, 30);
        Degrees(tiff, 208, 0, 15);
        return [.. "Exif\0\0"u8, .. tiff];
    }

    private static void Directory(byte[] tiff, int at, params (int Tag, int Type, int Count, int Value)[] entries)
    {
        BinaryPrimitives.WriteUInt16LittleEndian(tiff.AsSpan(at), (ushort)entries.Length);
        foreach (var ((tag, type, count, value), i) in entries.Select((e, i) => (e, i)))
        {
            var e = at + 2 + (i * 12);
            BinaryPrimitives.WriteUInt16LittleEndian(tiff.AsSpan(e), (ushort)tag);
            BinaryPrimitives.WriteUInt16LittleEndian(tiff.AsSpan(e + 2), (ushort)type);
            U32(tiff, e + 4, count);
            U32(tiff, e + 8, value);
        }
    }

    private static void Degrees(byte[] tiff, int at, int degrees, int minutes)
    {
        foreach (var (value, i) in new[] { degrees, 1, minutes, 1, 0, 1 }.Select((v, i) => (v, i)))
        {
            U32(tiff, at + (i * 4), value);
        }
    }

    private static void U32(byte[] tiff, int at, int value) => BinaryPrimitives.WriteUInt32LittleEndian(tiff.AsSpan(at), (uint)value);
}
