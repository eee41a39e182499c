using System.Diagnostics;
using System.Net.Sockets;
using System.Text;

namespace MudPie.Server.Brewing;

/// <summary>What a probe shows at a glance.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Simulated">It says that it is simulated.</param>
/// <param name="Newest">Its newest reading; null where none came.</param>
public sealed record ProbeShows(string Name, bool Simulated, WireReading? Newest);

/// <summary>Asks a probe once for its newest reading, by the same lines: for a core that is looked at now and then.</summary>
public static class ProbeGlance
{
    private static readonly TimeSpan InAll = TimeSpan.FromSeconds(8);

    private static readonly TimeSpan Quiet = TimeSpan.FromSeconds(1.5);

    /// <summary>What it shows; null where nothing greets as a probe does.</summary>
    /// <param name="port">Of this machine.</param>
    /// <param name="now">Now.</param>
    /// <param name="hottest">The warmest that can be, °C.</param>
    public static async Task<ProbeShows?> Ask(int port, DateTimeOffset now, double hottest)
    {
        using var wait = new CancellationTokenSource(InAll);
        ProbeShows? shows = null;
        var clock = Stopwatch.StartNew();
        try
        {
            using var client = new TcpClient();
            await client.ConnectAsync("127.0.0.1", port, wait.Token);
            await using var stream = client.GetStream();
            var lines = new ProbeReader.LineReader(stream);
            if (await lines.Next(TimeSpan.FromSeconds(3), wait.Token) is not { } first || ProbeWire.Hello(first) is not { } hello)
            {
                return null;
            }

            shows = new ProbeShows(hello.Name, hello.Simulated, null);
            await stream.WriteAsync(Encoding.ASCII.GetBytes("from 0\n"), wait.Token);
            while (clock.Elapsed < InAll && await lines.Next(shows.Newest is null ? InAll : Quiet, wait.Token) is { } line)
            {
                shows = ProbeWire.Reading(line, now, hottest).Reading is { } read ? shows with { Newest = read } : shows;
            }
        }
        catch (Exception e) when (e is SocketException or IOException or OperationCanceledException)
        {
            // Not there, gone, or quiet: what came before that is what it shows.
        }

        return shows;
    }
}
