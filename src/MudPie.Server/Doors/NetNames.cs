using System.Net;
using System.Net.NetworkInformation;
using System.Net.Sockets;

namespace MudPie.Server.Doors;

/// <summary>How this machine is found: names, and addresses each with how much of it names the network.</summary>
/// <param name="Names">"shed", "shed.local", "localhost", and what the grower named.</param>
/// <param name="Addresses">Of every network that is up, this machine's own among them; none that holds on one cable only.</param>
public sealed record NetNames(IReadOnlyList<string> Names, IReadOnlyList<(IPAddress Address, int Prefix)> Addresses)
{
    /// <summary>The names by which a phone may ask, brackets around an IPv6 address.</summary>
    public IReadOnlyList<string> Hosts => [.. Names, .. Addresses.Select(a => Bracketed(a.Address))];

    /// <summary>The one to send a phone to: the grower's own name where one was given, else an address in the yard; null where this
    /// machine is on no network.</summary>
    /// <param name="given">Names that the grower gave.</param>
    public string? Best(IReadOnlyList<string> given) => given.FirstOrDefault()
        ?? Addresses.Where(a => !IPAddress.IsLoopback(a.Address)).OrderBy(a => a.Address.AddressFamily == AddressFamily.InterNetworkV6)
            .Select(a => Bracketed(a.Address)).FirstOrDefault();

    /// <summary>Names that the grower gave, in the server's settings.</summary>
    public static IReadOnlyList<string> Given(IConfiguration settings) => [.. (settings["Holding:Names"] ?? "").ToLowerInvariant()
        .Split([',', ' '], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)];

    /// <summary>As they are now.</summary>
    /// <param name="given">Names that the grower gave besides.</param>
    public static NetNames Now(IReadOnlyList<string> given)
    {
        var own = Environment.MachineName.ToLowerInvariant();
        List<string> names = [.. given];
        foreach (var name in new[] { own, own.Contains('.') ? own : own + ".local", "localhost" })
        {
            if (!names.Contains(name) && Uri.CheckHostName(name) == UriHostNameType.Dns)
            {
                names.Add(name);
            }
        }

        List<(IPAddress, int)> addresses = [(IPAddress.Loopback, 8), (IPAddress.IPv6Loopback, 128)];
        foreach (var address in NetworkInterface.GetAllNetworkInterfaces().Where(n => n.OperationalStatus == OperationalStatus.Up)
            .SelectMany(n => n.GetIPProperties().UnicastAddresses)
            .Where(a => !IPAddress.IsLoopback(a.Address) && !a.Address.IsIPv6LinkLocal))
        {
            addresses.Add((address.Address, address.PrefixLength));
        }

        return new NetNames(names, addresses);
    }

    private static string Bracketed(IPAddress a) => a.AddressFamily == AddressFamily.InterNetworkV6 ? $"[{a}]" : a.ToString();
}
