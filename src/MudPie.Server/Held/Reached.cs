namespace MudPie.Server.Held;

/// <summary>Where a phone in the yard finds this server.</summary>
public sealed class Reached
{
    /// <summary>"https://192.168.1.20:5190"; null while it is not open to the yard.</summary>
    public string? Yard { get; set; }

    /// <summary>The address that leads back here from a phone: the yard's while it is open, else the one that was asked; at a box that of
    /// the holding.</summary>
    public static string From(HttpContext context) =>
        context.RequestServices.GetRequiredService<HoldingPlace>() is { OfBox: true, Name: var name }
            && Served.AddressOf(context, name) is { } own ? own
        : context.RequestServices.GetRequiredService<Reached>().Yard ?? $"{context.Request.Scheme}://{context.Request.Host}";
}
