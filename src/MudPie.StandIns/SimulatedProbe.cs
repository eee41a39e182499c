using System.Globalization;
using System.Net;
using System.Net.Sockets;
using System.Text;
using MudPie.Core.Brewing;

namespace MudPie.StandIns;

/// <summary>One line of the probe: its own count, when, and what it read.</summary>
public sealed record ProbeLine(long Sequence, DateTimeOffset At, double MgPerL, double TemperatureC)
{
    /// <summary>As it goes over the wire: "r 17 2026-11-25T00:34:00.000Z 6.42 19.3".</summary>
    public string Wire =>
        string.Create(CultureInfo.InvariantCulture,
            $"r {Sequence} {At.UtcDateTime:yyyy-MM-dd'T'HH:mm:ss.fff'Z'} {MgPerL:0.00} {TemperatureC:0.0}");
}

/// <summary>A simulated oxygen and temperature probe, speaking the line protocol of docs/probe.md over TCP on the loopback address. It says
/// that it is simulated.</summary>
public sealed class SimulatedProbe : IAsyncDisposable
{
    // What it remembers and can send again: eight days at two minutes.
    private const long Remembers = 6000;

    private readonly ProbeSettings _settings;
    private readonly TimeProvider _time;
    private readonly HiddenBrew _brew;
    private readonly TcpListener _listener;
    private readonly CancellationTokenSource _stop = new();
    private readonly Task _accepting;

    /// <summary>Starts listening.</summary>
    public SimulatedProbe(ProbeSettings settings, TimeProvider? time = null)
    {
        _settings = settings;
        _time = time ?? TimeProvider.System;
        _brew = HiddenBrew.Of(settings.Brew with { Hours = 240 }, settings.Seed, settings.Truth);
        _listener = new TcpListener(IPAddress.Loopback, settings.Port);
        _listener.Start();
        _accepting = Task.Run(Accept);
    }

    /// <summary>The port it listens on.</summary>
    public int Port => ((IPEndPoint)_listener.LocalEndpoint).Port;

    /// <summary>Its first words.</summary>
    public string Hello => $"hello mudpie-probe 1 {_settings.Name} simulated";

    /// <summary>The count of the newest reading, or −1 before the first.</summary>
    public long Newest => (long)Math.Floor((_time.GetUtcNow() - _settings.StartedAt).TotalSeconds / _settings.EverySeconds);

    /// <summary>A reading by its count; null where it dropped out. The same count always reads the same, also after a restart.</summary>
    public ProbeLine? Line(long sequence)
    {
        var seconds = sequence * _settings.EverySeconds;
        return _brew.ReadAt(seconds * _settings.Speed / 3600, _settings.Strays) is { } read
            ? new ProbeLine(sequence, _settings.StartedAt.AddSeconds(seconds), read.MgPerL, read.TemperatureC) : null;
    }

    /// <summary>Readings from a count on, as far back as it remembers.</summary>
    public IEnumerable<ProbeLine> From(long sequence)
    {
        var newest = Newest;
        for (var i = Math.Max(Math.Max(sequence, 0), newest - Remembers); i <= newest; i++)
        {
            if (Line(i) is { } line)
            {
                yield return line;
            }
        }
    }

    /// <inheritdoc/>
    public async ValueTask DisposeAsync()
    {
        await _stop.CancelAsync();
        _listener.Stop();
        await _accepting;
    }

    private async Task Accept()
    {
        var talks = new List<Task>();
        try
        {
            while (!_stop.IsCancellationRequested)
            {
                var client = await _listener.AcceptTcpClientAsync(_stop.Token);
                talks.RemoveAll(t => t.IsCompleted);
                talks.Add(Talk(client));
            }
        }
        catch (Exception e) when (e is OperationCanceledException or SocketException or ObjectDisposedException)
        {
            // Told to stop.
        }

        await Task.WhenAll(talks);
    }

    private async Task Talk(TcpClient client)
    {
        using (client)
        {
            try
            {
                await using var stream = client.GetStream();
                using var reader = new StreamReader(stream, Encoding.ASCII);
                await Send(stream, Hello);
                using var wait = CancellationTokenSource.CreateLinkedTokenSource(_stop.Token);
                wait.CancelAfter(TimeSpan.FromSeconds(10));
                var asked = await reader.ReadLineAsync(wait.Token);
                var next = asked?.Split(' ') is ["from", var n] && long.TryParse(n, NumberStyles.None, CultureInfo.InvariantCulture,
                    out var from) ? from : Newest;
                while (!_stop.IsCancellationRequested)
                {
                    foreach (var line in From(next))
                    {
                        await Send(stream, line.Wire);
                    }

                    next = Math.Max(next, Newest + 1);
                    await Task.Delay(TimeSpan.FromSeconds(Math.Clamp(_settings.EverySeconds / 4, 0.02, 2)), _stop.Token);
                }
            }
            catch (Exception e) when (e is IOException or OperationCanceledException or SocketException or ObjectDisposedException)
            {
                // The reader has gone, or the probe was told to stop.
            }
        }
    }

    private async Task Send(NetworkStream stream, string line) =>
        await stream.WriteAsync(Encoding.ASCII.GetBytes(line + "\n"), _stop.Token);
}
