using MudPie.Server.Web;

namespace MudPie.Server.Brewing;

/// <summary>The QR square of a batch card.</summary>
public static class CardEndpoints
{
    /// <summary>What can be asked.</summary>
    public static void MapCards(this IEndpointRouteBuilder api) => api.MapGet("/brew/batches/{id:int}/qr.svg",
        (int id, HttpRequest request) => QrCodes.To(request, $"/brew/{id}")).ForVisitor("A code that opens the brew on a telephone.");
}
