using System.Diagnostics;
using System.Net.Http.Json;
using Microsoft.EntityFrameworkCore;
using MudPie.Records;

namespace MudPie.Server.Tests;

/// <summary>The server is killed at any moment of a first start, of bringing an older file up to date, and of writing: the file opens by
/// itself, and holds what was acknowledged.</summary>
/// <remarks>The suite kills a few times; <c>./mudpie kills</c> many.</remarks>
public sealed class KillTests
{
    internal static int Kills => Setting("MUDPIE_KILLS", 3);

    internal static int Seed => Setting("MUDPIE_KILLS_SEED", 7);

    private static int Setting(string name, int usual) => int.TryParse(Environment.GetEnvironmentVariable(name), out var n) ? n : usual;

    [Fact]
    public async Task Every_file_opens_by_itself_after_a_kill()
    {
        var folder = Directory.CreateTempSubdirectory("mudpie-kills-").FullName;
        var older = Path.Combine(folder, "older.mudpie");
        ReleasedFileTests.Older(older);
        var chance = new Random(Seed);
        try
        {
            for (var i = 0; i < Kills; i++)
            {
                var file = Path.Combine(folder, $"{i}.mudpie");
                if (i % 3 == 1)
                {
                    File.Copy(older, file);
                }

                var kept = await Killed(file, TimeSpan.FromMilliseconds(chance.Next(100, 2500)), write: i % 3 == 2);
                using (HoldingLease.Take(file))
                {
                    HoldingFile.Prepare(file);
                }

                using (var db = Open(file))
                {
                    db.Database.GetPendingMigrations().ShouldBeEmpty($"kill {i}");
                    var seen = db.Observations.Select(o => o.Text).ToList();
                    kept.Except(seen).ShouldBeEmpty($"kill {i}: acknowledged, and not there");
                    seen.Count.ShouldBe(seen.Distinct().Count(), $"kill {i}: kept twice");
                }

                Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
                File.Exists(file + ".new").ShouldBeFalse($"kill {i}");
            }
        }
        finally
        {
            Directory.Delete(folder, true);
        }
    }

    /// <summary>A phone's outbox sends all kinds of writes, one after another, to a server that is killed again and again: what got no
    /// answer is sent again under its key, as the phone does.</summary>
    [Fact]
    public async Task What_an_outbox_sends_again_is_kept_once_whenever_the_server_is_killed()
    {
        var folder = Directory.CreateTempSubdirectory("mudpie-kills-").FullName;
        var file = Path.Combine(folder, "demo.mudpie");
        using (var made = new TestHolding(demo: true))
        {
            HoldingCopies.Copy(made.FilePath, file);
        }

        int before;
        using (var db = Open(file))
        {
            before = db.Deeds.Count() - db.Acknowledgements.Count();
        }

        var (outbox, chance) = (new Outbox(), new Random(Seed + 4));
        try
        {
            for (var life = 0; life < Math.Max(2, Kills / 2); life++)
            {
                await Sent(file, outbox, TimeSpan.FromMilliseconds(chance.Next(20, 900)));
            }

            using (HoldingLease.Take(file))
            {
                HoldingFile.Prepare(file);
            }

            using var db = Open(file);
            var kept = db.Acknowledgements.ToDictionary(a => a.Key, a => a.Request);
            var writing = kept.Values.ToHashSet();
            outbox.Taken.Where(t => writing.Contains($"POST {t.Path}") && !kept.ContainsKey(t.Key))
                .ShouldBeEmpty("acknowledged, and not there");
            (db.Deeds.Count() - kept.Count).ShouldBe(before, "each write was done once");
            var seen = db.Observations.Where(o => o.Text.StartsWith("a heron, the ")).Select(o => o.Text).ToList();
            seen.Count.ShouldBe(seen.Distinct().Count(), "kept twice");
            outbox.Herons.Except(seen).ShouldBeEmpty("acknowledged, and not there");
            outbox.Herons.Count.ShouldBeGreaterThan(0);
            TestContext.Current.TestOutputHelper?.WriteLine($"{outbox.Taken.Count} answers, {writing.Count} kinds of writes");
        }
        finally
        {
            Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
            Directory.Delete(folder, true);
        }
    }

    /// <summary>What waits to be sent, in its order: every example that a door takes, a sighting after each.</summary>
    private sealed class Outbox
    {
        private readonly List<(string Path, string Body)> _all = [.. Fuzz.Examples.All.Where(e => !Elsewhere.Any(e.Path.StartsWith))];
        private int _at;

        private static readonly string[] Elsewhere = ["/api/people/", "/api/copies", "/api/box/", "/api/shared/", "/api/holding/"];

        public List<(string Path, string Key)> Taken { get; } = [];

        public List<string> Herons { get; } = [];

        public string Key { get; private set; } = Guid.NewGuid().ToString();

        public string Path => _at % 2 == 0 ? "/api/book/seen" : _all[_at / 2 % _all.Count].Path;

        public string Body => _at % 2 == 0 ? $"{{\"text\":\"{Heron}\"}}" : _all[_at / 2 % _all.Count].Body;

        private string Heron => $"a heron, the {_at}th";

        /// <summary>It was answered: the next.</summary>
        public void Answered(bool taken)
        {
            if (taken)
            {
                Taken.Add((Path, Key));
                if (_at % 2 == 0)
                {
                    Herons.Add(Heron);
                }
            }

            (_at, Key) = (_at + 1, Guid.NewGuid().ToString());
        }
    }

    /// <summary>A server's life: it is killed that while after its first answer.</summary>
    private static async Task Sent(string file, Outbox outbox, TimeSpan after)
    {
        var port = FreePort();
        using var process = Start($"--Holding:File={file}", port);
        using var http = new HttpClient { BaseAddress = new Uri($"http://127.0.0.1:{port}") };
        var answered = new TaskCompletionSource();
        var sending = Task.Run(async () =>
        {
            while (!process.HasExited)
            {
                try
                {
                    using var request = new HttpRequestMessage(HttpMethod.Post, outbox.Path) {
                        Content = new StringContent(outbox.Body, System.Text.Encoding.UTF8, "application/json")
                    };
                    request.Headers.Add("Idempotency-Key", outbox.Key);
                    using var reply = await http.SendAsync(request);
                    ((int)reply.StatusCode).ShouldBeLessThan(500, outbox.Path);
                    outbox.Answered(reply.IsSuccessStatusCode);
                    answered.TrySetResult();
                }
                catch (Exception e) when (e is HttpRequestException or IOException)
                {
                    await Task.Delay(20); // nobody there: the same again, under the same key
                }
            }
        });
        await Task.WhenAny(answered.Task, sending);
        await Task.Delay(after);
        process.Kill();
        await sending;
    }

    /// <summary>A server in a process of its own.</summary>
    /// <param name="of">Over which file or folder.</param>
    /// <param name="port">Where it listens.</param>
    internal static Process Start(string of, int port)
    {
        var dll = Environment.GetEnvironmentVariable("MUDPIE_KILLED") is { Length: > 0 } built ? built : typeof(App).Assembly.Location;
        return Process.Start(new ProcessStartInfo("dotnet", [dll, of, $"--Holding:Port={port}",
            "--Holding:Warm=false", "--Holding:Copies=false", "--Logging:LogLevel:Default=Error"]) {
            RedirectStandardOutput = true, RedirectStandardError = true, WorkingDirectory = Path.GetDirectoryName(dll)
        })!;
    }

    private static HoldingDb Open(string file) =>
        new((DbContextOptions<HoldingDb>)new DbContextOptionsBuilder<HoldingDb>().UseHolding(file).Options);

    /// <summary>Starts a server on the file and kills it: after a while, or, where it writes, that while after its first acknowledged
    /// write.</summary>
    private static async Task<List<string>> Killed(string file, TimeSpan after, bool write)
    {
        var port = FreePort();
        using var process = Start($"--Holding:File={file}", port);
        var kept = new List<string>();
        if (!write)
        {
            await Task.Delay(after);
            process.Kill();
            await process.WaitForExitAsync();
            return kept;
        }

        using var http = new HttpClient { BaseAddress = new Uri($"http://127.0.0.1:{port}") };
        var writing = Task.Run(async () =>
        {
            for (var i = 0; !process.HasExited; i++)
            {
                try
                {
                    using var request = new HttpRequestMessage(HttpMethod.Post,
                        "/api/book/seen") { Content = JsonContent.Create(new { text = $"a heron, the {i}th" }) };
                    request.Headers.Add("Idempotency-Key", Guid.NewGuid().ToString());
                    using var reply = await http.SendAsync(request);
                    if (reply.IsSuccessStatusCode)
                    {
                        lock (kept)
                        {
                            kept.Add($"a heron, the {i}th");
                        }
                    }
                }
                catch (Exception e) when (e is HttpRequestException or IOException)
                {
                    await Task.Delay(20);
                }
            }
        });
        while (!process.HasExited && Count(kept) == 0)
        {
            await Task.Delay(20);
        }

        await Task.Delay(after / 4);
        process.Kill();
        await writing;
        kept.Count.ShouldBeGreaterThan(0, await process.StandardError.ReadToEndAsync());
        return kept;
    }

    private static int Count(List<string> kept)
    {
        lock (kept)
        {
            return kept.Count;
        }
    }

    internal static int FreePort()
    {
        using var listener = new System.Net.Sockets.TcpListener(System.Net.IPAddress.Loopback, 0);
        listener.Start();
        return ((System.Net.IPEndPoint)listener.LocalEndpoint).Port;
    }
}
