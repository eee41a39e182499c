using System.Diagnostics;
using System.Net.Sockets;
using System.Text;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Server.Web;

namespace MudPie.Server.Brewing;

/// <summary>Reads every probe that hangs in a batch, in the background: stores each reading once, survives its loss, marks gaps, refuses
/// what is not a reading.</summary>
public sealed class ProbeReader(IServiceScopeFactory scopes, WriteTurns turns, TimeProvider time, IConfiguration settings,
    ILogger<ProbeReader> log) : BackgroundService
{
    private static readonly TimeSpan Look = TimeSpan.FromSeconds(1);
    private static readonly TimeSpan Again = TimeSpan.FromSeconds(2);

    private readonly Dictionary<int, (Task Work, CancellationTokenSource Stop)> _reading = [];

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                await FollowLinks(stoppingToken);
                await Task.Delay(Look, stoppingToken);
            }
            catch (OperationCanceledException) when (stoppingToken.IsCancellationRequested)
            {
                break;
            }
            catch (Exception e) // a background job never ends the server
            {
                log.LogWarning(e, "The probes could not be looked at; trying again");
                await Task.Delay(Again, stoppingToken).ContinueWith(_ => { }, CancellationToken.None);
            }
        }

        await Task.WhenAll(_reading.Values.Select(r => r.Work));
    }

    private async Task FollowLinks(CancellationToken stopping)
    {
        using var scope = scopes.CreateScope();
        var db = scope.ServiceProvider.GetRequiredService<HoldingDb>();
        var links = await db.Probes.AsNoTracking().Where(p => p.DetachedAt == null).ToListAsync(stopping);
        foreach (var gone in _reading.Keys.Where(id => links.All(l => l.Id != id)).ToList())
        {
            await _reading[gone].Stop.CancelAsync();
            _reading.Remove(gone);
        }

        foreach (var link in links.Where(l => !_reading.TryGetValue(l.Id, out var r) || r.Work.IsCompleted))
        {
            var stop = CancellationTokenSource.CreateLinkedTokenSource(stopping);
            _reading[link.Id] = (Task.Run(() => ReadOn(link, stop.Token), stop.Token), stop);
        }
    }

    private async Task ReadOn(ProbeLink link, CancellationToken stop)
    {
        while (!stop.IsCancellationRequested)
        {
            try
            {
                await ReadOnce(link, stop);
            }
            catch (OperationCanceledException) when (stop.IsCancellationRequested)
            {
                return;
            }
            catch (Exception e) when (e is SocketException or IOException or OperationCanceledException)
            {
                // Not there, or gone: the gap is marked by its silence.
            }
            catch (Exception e)
            {
                log.LogWarning(e, "A probe's readings could not be kept; they are asked for again");
            }

            try
            {
                await MarkSilence(link, stop);
            }
            catch (Exception e) when (!stop.IsCancellationRequested)
            {
                log.LogWarning(e, "A probe's silence could not be noted; it is looked at again");
            }

            await Task.Delay(Again, stop).ContinueWith(_ => { }, CancellationToken.None);
        }
    }

    private async Task ReadOnce(ProbeLink link, CancellationToken stop)
    {
        using var client = new TcpClient();
        using var wait = CancellationTokenSource.CreateLinkedTokenSource(stop);
        wait.CancelAfter(TimeSpan.FromSeconds(5));
        await client.ConnectAsync(link.Host, link.Port, wait.Token);
        await using var stream = client.GetStream();
        var lines = new LineReader(stream);
        if (await lines.Next(TimeSpan.FromSeconds(5), stop) is not { } first || ProbeWire.Hello(first) is null)
        {
            await Note(link, "refused", "It does not greet as a probe does.", stop);
            return;
        }

        await stream.WriteAsync(Encoding.ASCII.GetBytes($"from {await Next(link, stop)}\n"), stop);
        var kept = new List<WireReading>();
        var pace = new Pace();
        var refused = 0;
        while (!stop.IsCancellationRequested)
        {
            // What waits on the wire goes into one write; a lone reading is written at once.
            var line = kept.Count > 0 && (kept.Count >= 500 || !stream.DataAvailable && !lines.HasLine)
                ? "" : await lines.Next(Patience, stop);
            if (line is null)
            {
                await Note(link, "refused", lines.TooLong
                    ? $"A line longer than {ProbeWire.LongestLine} letters: the connection was closed."
                    : "It closed the connection.", stop);
                break;
            }

            if (line.Length == 0)
            {
                await Keep(link, kept, stop);
                kept.Clear();
                continue;
            }

            await pace.Keep(stop);
            var (reading, wrong) = ProbeWire.Reading(line, time.GetUtcNow());
            if (reading is null)
            {
                if (++refused > MostRefused)
                {
                    await Note(link, "refused", $"More than {MostRefused} lines that are no readings: the connection was closed.", stop);
                    break;
                }

                await Note(link, "refused", $"{wrong}: {(line.Length > 60 ? line[..60] : line)}", stop);
                continue;
            }

            kept.Add(reading);
        }

        await Keep(link, kept, stop);
    }

    private static readonly TimeSpan Patience = TimeSpan.FromMinutes(5);

    private const int MostRefused = 50;

    /// <summary>A probe may send what it remembers at once, and then no more than this in a minute: past it, its lines wait on the
    /// wire.</summary>
    private sealed class Pace
    {
        private const int AtOnce = 10_000;
        private const int AMinute = 3_000;

        private long _began = Stopwatch.GetTimestamp();
        private int _left = AtOnce;

        public async Task Keep(CancellationToken stop)
        {
            if (--_left > 0)
            {
                return;
            }

            var rest = TimeSpan.FromMinutes(1) - Stopwatch.GetElapsedTime(_began);
            if (rest > TimeSpan.Zero)
            {
                await Task.Delay(rest, stop);
            }

            (_began, _left) = (Stopwatch.GetTimestamp(), AMinute);
        }
    }

    private async Task<long> Next(ProbeLink link, CancellationToken stop)
    {
        using var scope = scopes.CreateScope();
        return (await scope.ServiceProvider.GetRequiredService<HoldingDb>().ProbeReadings.Where(r => r.ProbeLinkId == link.Id)
            .MaxAsync(r => (long?)r.Sequence, stop) ?? -1) + 1;
    }

    private async Task Keep(ProbeLink link, List<WireReading> readings, CancellationToken stop)
    {
        if (readings.Count == 0)
        {
            return;
        }

        using var scope = scopes.CreateScope();
        using var turn = await turns.Take(stop);
        var db = scope.ServiceProvider.GetRequiredService<HoldingDb>();
        await using var transaction = await db.Database.BeginTransactionAsync(stop);
        var (low, high) = (readings.Min(r => r.Sequence), readings.Max(r => r.Sequence));
        var known = (await db.ProbeReadings.Where(r => r.ProbeLinkId == link.Id && r.Sequence >= low && r.Sequence <= high)
            .Select(r => r.Sequence).ToListAsync(stop)).ToHashSet();
        var before = await db.ProbeReadings.Where(r => r.ProbeLinkId == link.Id).OrderByDescending(r => r.Sequence)
            .Select(r => (DateTimeOffset?)r.At).FirstOrDefaultAsync(stop);
        var fresh = readings.Where(r => known.Add(r.Sequence)).OrderBy(r => r.Sequence).ToList();
        foreach (var r in fresh)
        {
            if (before is { } last && r.At - last > Probes.Silent)
            {
                db.ProbeEvents.Add(new ProbeEvent {
                    ProbeLinkId = link.Id, At = r.At, Kind = "back",
                    Text = $"Nothing was read for {Core.Workings.Say.Minutes((r.At - last).TotalMinutes)} before this."
                });
            }

            before = r.At;
        }

        db.ProbeReadings.AddRange(fresh.Select(r => new ProbeReadingKept {
            ProbeLinkId = link.Id, Sequence = r.Sequence, At = r.At,
            MgPerL = r.MgPerL, TemperatureC = r.TemperatureC
        }));
        await db.SaveChangesAsync(stop);
        await transaction.CommitAsync(stop);
    }

    private async Task MarkSilence(ProbeLink link, CancellationToken stop)
    {
        if (stop.IsCancellationRequested)
        {
            return;
        }

        using var scope = scopes.CreateScope();
        var db = scope.ServiceProvider.GetRequiredService<HoldingDb>();
        var last = await db.ProbeReadings.Where(r => r.ProbeLinkId == link.Id).MaxAsync(r => (DateTimeOffset?)r.At, stop)
            ?? link.AttachedAt;
        if (time.GetUtcNow() - last > Probes.Silent && !await db.ProbeEvents.AnyAsync(e => e.ProbeLinkId == link.Id && e.Kind == "silent"
            && e.At > last, stop))
        {
            await Note(link, "silent", "Nothing more comes from it.", stop);
        }
    }

    private async Task Note(ProbeLink link, string kind, string text, CancellationToken stop)
    {
        using var scope = scopes.CreateScope();
        var db = scope.ServiceProvider.GetRequiredService<HoldingDb>();
        // One note an hour of each kind: a probe gone mad must not fill the file.
        var since = time.GetUtcNow().AddHours(-1);
        if (await db.ProbeEvents.CountAsync(e => e.ProbeLinkId == link.Id && e.Kind == kind && e.At > since, stop)
            < (settings.GetValue("Probe:NotesAnHour", 6)))
        {
            db.ProbeEvents.Add(new ProbeEvent { ProbeLinkId = link.Id, At = time.GetUtcNow(), Kind = kind, Text = text });
            await db.SaveChangesAsync(stop);
        }
    }

    /// <summary>Lines off a stream, none longer than the protocol allows: a flood without an end costs a few hundred bytes.</summary>
    internal sealed class LineReader(Stream stream)
    {
        private readonly byte[] _buffer = new byte[4096];
        private readonly StringBuilder _line = new();
        private int _at;
        private int _filled;

        public bool TooLong { get; private set; }

        public bool HasLine => Array.IndexOf(_buffer, (byte)'\n', _at, _filled - _at) >= 0;

        /// <summary>The next line; null where the stream has ended, is silent past patience, or the line is too long.</summary>
        public async Task<string?> Next(TimeSpan patience, CancellationToken stop)
        {
            while (true)
            {
                while (_at < _filled)
                {
                    var b = _buffer[_at++];
                    if (b == (byte)'\n')
                    {
                        var line = _line.ToString().TrimEnd('\r');
                        _line.Clear();
                        if (line.Length > 0)
                        {
                            return line;
                        }

                        continue;
                    }

                    _line.Append(b is >= 32 and < 127 ? (char)b : '?');
                    if (_line.Length > ProbeWire.LongestLine)
                    {
                        TooLong = true;
                        return null;
                    }
                }

                using var wait = CancellationTokenSource.CreateLinkedTokenSource(stop);
                wait.CancelAfter(patience);
                (_at, _filled) = (0, await stream.ReadAsync(_buffer, wait.Token));
                if (_filled == 0)
                {
                    return null;
                }
            }
        }
    }
}
