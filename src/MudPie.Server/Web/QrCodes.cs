using QRCoder;

namespace MudPie.Server.Web;

/// <summary>Squares that open a page of this server on a telephone.</summary>
internal static class QrCodes
{
    /// <summary>A square as SVG.</summary>
    /// <param name="request">Asked of this server: its address is the one that leads back.</param>
    /// <param name="path">"/make/heap/2".</param>
    public static ContentHttpResult To(HttpRequest request, string path)
    {
        using var data = QRCodeGenerator.GenerateQrCode($"{request.Scheme}://{request.Host}{path}", QRCodeGenerator.ECCLevel.M);
        using var code = new SvgQRCode(data);
        return TypedResults.Text(code.GetGraphic(4, "#000000", "#ffffff"), "image/svg+xml");
    }
}
