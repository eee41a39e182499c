using QRCoder;

namespace MudPie.Server.Brewing;

/// <summary>The QR square of a batch card.</summary>
public static class CardEndpoints
{
    /// <summary>What can be asked.</summary>
    public static void MapCards(this IEndpointRouteBuilder api) => api.MapGet("/brew/batches/{id:int}/qr.svg", Qr)
        .WithSummary("A code that opens the brew on a telephone.");

    private static Microsoft.AspNetCore.Http.HttpResults.ContentHttpResult Qr(int id, HttpRequest request)
    {
        using var data = QRCodeGenerator.GenerateQrCode($"{request.Scheme}://{request.Host}/brew/{id}", QRCodeGenerator.ECCLevel.M);
        using var code = new SvgQRCode(data);
        return TypedResults.Text(code.GetGraphic(4, "#000000", "#ffffff"), "image/svg+xml");
    }
}
