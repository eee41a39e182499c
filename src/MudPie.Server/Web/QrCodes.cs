using MudPie.Server.Held;
using QRCoder;

namespace MudPie.Server.Web;

/// <summary>Squares that open a page of this server on a telephone.</summary>
internal static class QrCodes
{
    /// <summary>A square as SVG.</summary>
    /// <param name="request">Asked of this server.</param>
    /// <param name="path">"/make/heap/2".</param>
    public static ContentHttpResult To(HttpRequest request, string path) =>
        TypedResults.Text(Square($"{Reached.From(request.HttpContext)}{path}"), "image/svg+xml");

    /// <summary>A square of an address.</summary>
    public static string Square(string address)
    {
        using var data = QRCodeGenerator.GenerateQrCode(address, QRCodeGenerator.ECCLevel.M);
        using var code = new SvgQRCode(data);
        return code.GetGraphic(4, "#000000", "#ffffff");
    }
}
