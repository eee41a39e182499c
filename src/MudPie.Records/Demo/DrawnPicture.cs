using SkiaSharp;

namespace MudPie.Records.Demo;

/// <summary>Stand-ins for photos in the demo: drawn, and said to be drawn.</summary>
internal static class DrawnPicture
{
    private static readonly SKColor[] Skies = [new(0xc9, 0xd6, 0xda), new(0xd8, 0xd9, 0xcf), new(0xe4, 0xdd, 0xcc)];

    /// <summary>A field seen from a peg: a horizon, a landmark, rows that stand denser from year to year.</summary>
    /// <param name="place">Which peg.</param>
    /// <param name="visit">0 for the first.</param>
    /// <param name="spring">Green, else straw.</param>
    public static (byte[] Jpeg, byte[] Small) Of(int place, int visit, bool spring)
    {
        using var bitmap = new SKBitmap(new SKImageInfo(640, 480));
        using var canvas = new SKCanvas(bitmap);
        using var paint = new SKPaint { IsAntialias = true };
        void Fill(SKColor colour, SKPath path)
        {
            paint.Style = SKPaintStyle.Fill;
            paint.Color = colour;
            canvas.DrawPath(path, paint);
        }

        canvas.Clear(Skies[(place + visit) % Skies.Length]);
        using (var hill = new SKPathBuilder())
        {
            hill.MoveTo(0, 190 - (place * 8));
            hill.QuadTo(220, 120 + (place * 9), 640, 178);
            hill.LineTo(640, 480);
            hill.LineTo(0, 480);
            hill.Close();
            Fill(new SKColor(0x9a, 0x8a, 0x6c), hill.Detach());
        }

        using (var tree = new SKPathBuilder()) // what one frames by: it stands where it stood
        {
            var x = 120 + (place * 95);
            tree.AddOval(new SKRect(x - 34, 96, x + 34, 158));
            tree.AddRect(new SKRect(x - 4, 150, x + 4, 190));
            Fill(new SKColor(0x55, 0x5f, 0x3a), tree.Detach());
        }

        paint.Style = SKPaintStyle.Stroke;
        var random = new Random((place * 10) + visit);
        for (var row = 0; row < 9; row++)
        {
            var near = (row + 1) / 9.0;
            for (var i = 0; i < 26 + (visit * 10); i++)
            {
                var (x, y) = (random.NextDouble() * 640, 205 + (near * near * 260));
                paint.StrokeWidth = (float)(1 + (near * 3));
                paint.Color = spring ? new SKColor((byte)(70 + random.Next(30)), (byte)(105 + random.Next(40)), 52)
                    : new SKColor((byte)(160 + random.Next(30)), (byte)(132 + random.Next(20)), 78);
                canvas.DrawLine((float)x, (float)y, (float)(x + ((random.NextDouble() - 0.5) * 16 * near)), (float)(y - (10 + (34 * near))),
                    paint);
            }
        }

        using var image = SKImage.FromBitmap(bitmap);
        using var little = bitmap.Resize(new SKImageInfo(320, 240), new SKSamplingOptions(SKFilterMode.Linear));
        using var small = SKImage.FromBitmap(little);
        return (image.Encode(SKEncodedImageFormat.Jpeg, 70).ToArray(), small.Encode(SKEncodedImageFormat.Jpeg, 70).ToArray());
    }
}
