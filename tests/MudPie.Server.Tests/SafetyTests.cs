using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using MudPie.Records;

namespace MudPie.Server.Tests;

/// <summary>What was acknowledged survives; what was sent twice is done once; an older file is copied first.</summary>
public class SafetyTests
{
    [Fact]
    public async Task A_repeated_request_with_the_same_key_writes_once_and_answers_the_same()
    {
        using var h = new TestHolding();
        var id = await h.Started();
        var path = $"/api/brew/batches/{id}/log";
        var body = new { kind = "oxygen", value = "7.2" };
        var first = await h.Post(path, body, "key-of-one-reading");
        var together = await Task.WhenAll(Enumerable.Range(0, 6).Select(_ => h.Post(path, body, "key-of-one-reading")));

        together.ShouldAllBe(r => r.ToJsonString() == first.ToJsonString());
        (await h.Get($"/api/brew/batches/{id}"))["log"]!.AsArray().Count(l => (string)l!["kind"]! == "oxygen").ShouldBe(1);
        var (status, reply) = await h.Send($"/api/brew/batches/{id}/air-off", new { }, "key-of-one-reading");
        status.ShouldBe(409);
        ((string)reply["title"]!).ShouldContain("used for another");
        ((string)reply["detail"]!).ShouldContain("not kept");
    }

    [Fact]
    public async Task A_key_is_remembered_for_ninety_days_and_then_forgotten()
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        var said = new { text = "first frost on the ridge" };
        var first = await h.Post("/api/book/seen", said, "key-of-one-sighting");
        h.Clock.Advance(Web.Writes.KeptFor - TimeSpan.FromHours(1));
        await h.Post("/api/book/seen", new { text = "the day before it is forgotten" });
        (await h.Post("/api/book/seen", said, "key-of-one-sighting")).ToJsonString().ShouldBe(first.ToJsonString());
        h.Clock.Advance(TimeSpan.FromDays(2));
        using var later = new TestHolding(h); // pruned once a day: a server begun anew looks at its first write
        await later.Post("/api/book/seen", new { text = "the day after" });
        using var db =
            new HoldingDb((DbContextOptions<HoldingDb>)new DbContextOptionsBuilder<HoldingDb>().UseHolding(later.FilePath).Options);
        (await db.Acknowledgements.Where(a => a.Key == "key-of-one-sighting")
            .CountAsync(TestContext.Current.CancellationToken)).ShouldBe(0);
        (await db.Observations.CountAsync(TestContext.Current.CancellationToken)).ShouldBe(3);
    }

    [Fact]
    public async Task A_write_without_a_key_is_refused()
    {
        using var h = new TestHolding();
        using var response = await h.Http.PostAsJsonAsync("/api/holding/setup", TestHolding.SetUp);
        response.StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await response.Content.ReadAsStringAsync()).ShouldContain("Idempotency-Key");
    }

    [Fact]
    public async Task A_kill_in_the_middle_of_logging_loses_nothing_that_was_acknowledged()
    {
        var folder = Directory.CreateTempSubdirectory("mudpie-kill-").FullName;
        var file = Path.Combine(folder, "holding.mudpie");
        try
        {
            var acknowledged = new List<string>();
            using (var server = await Serve(file))
            {
                using var http = new HttpClient { BaseAddress = server.Address };
                await Send(http, "/api/holding/setup", TestHolding.SetUp);
                var plan = await Send(http, "/api/brew/batches",
                    new { bedIds = new[] { 1 }, purpose = "leaf", useAt = DateTimeOffset.UtcNow.AddHours(50), warmthC = 18 });
                var id = (int)plan["id"]!;
                await Send(http, $"/api/brew/batches/{id}/start", new { strip = "0" });
                var killed = false;
                var writers = Enumerable.Range(0, 4).Select(w => Task.Run(async () =>
                {
                    for (var i = 0; i < 400 && !Volatile.Read(ref killed); i++)
                    {
                        try
                        {
                            var note = $"note {w}-{i}";
                            await Send(http, $"/api/brew/batches/{id}/log", new { kind = "note", value = note });
                            lock (acknowledged)
                            {
                                acknowledged.Add(note);
                            }
                        }
                        catch (Exception e) when (e is HttpRequestException or IOException)
                        {
                            return;
                        }
                    }
                })).ToArray();
                for (var i = 0; i < 7_200 && acknowledged.Count < 25; i++)
                {
                    await Task.Delay(25);
                }

                server.Process.Kill(); // SIGKILL: no chance to tidy up
                killed = true;
                await Task.WhenAll(writers);
            }

            acknowledged.Count.ShouldBeGreaterThan(10);
            using var again = await Serve(file);
            using var reader = new HttpClient { BaseAddress = again.Address };
            var notes = JsonNode.Parse(await reader.GetStringAsync("/api/brew/batches/1"))!["log"]!.AsArray()
                .Where(l => (string)l!["kind"]! == "note").Select(l => (string)l!["text"]!).ToList();
            acknowledged.Except(notes).ShouldBeEmpty();
            notes.Distinct().Count().ShouldBe(notes.Count);
        }
        finally
        {
            Directory.Delete(folder, true);
        }
    }

    [Fact]
    public async Task A_walk_on_its_way_is_kept_once_though_the_server_is_killed_in_the_middle()
    {
        var folder = Directory.CreateTempSubdirectory("mudpie-kill-").FullName;
        var file = Path.Combine(folder, "holding.mudpie");
        var server = await Serve(file);
        try
        {
            using (var http = new HttpClient { BaseAddress = server.Address })
            {
                await Send(http, "/api/holding/setup", TestHolding.SetUp);
                for (var i = 1; i <= 8; i++)
                {
                    await Send(http, "/api/look/pegs", new { name = $"peg {i}", bedId = 1 });
                }
            }

            // What the phone holds: for each peg a count and a picture, each under a key of its own.
            var picture = CameraPicture.Jpeg("2026:06:09 07:30:00");
            List<(string Path, Func<HttpContent> Body, string Key)> box = [.. Enumerable.Range(1, 8).SelectMany(i =>
                new (string, Func<HttpContent>, string)[] {
                    ("/api/look/checks", () => JsonContent.Create(new { pegId = i, check = new { kind = "worms", counts = new[] { i } },
                        wet = "moist" }), $"count-{i}-{Guid.NewGuid()}"),
                    ($"/api/look/pegs/{i}/photos?toward=north", () => Picture(picture), $"picture-{i}-{Guid.NewGuid()}"),
                })];
            for (var sent = 0; sent < box.Count;)
            {
                using var http = new HttpClient { BaseAddress = server.Address };
                try
                {
                    using var request = new HttpRequestMessage(HttpMethod.Post, box[sent].Path) { Content = box[sent].Body() };
                    request.Headers.Add("Idempotency-Key", box[sent].Key);
                    var answer = http.SendAsync(request);
                    if (sent is 3 or 6 && box[sent].Key is { } key && !_cut.Contains(key))
                    {
                        _cut.Add(key); // killed while this one is on its way: whether it was kept, the phone can't know
                        server.Process.Kill();
                    }

                    using var reply = await answer;
                    reply.IsSuccessStatusCode.ShouldBeTrue(await reply.Content.ReadAsStringAsync());
                    sent++;
                }
                catch (Exception e) when (e is HttpRequestException or IOException)
                {
                    server.Dispose();
                    server = await Serve(file); // and the same is sent again, under the same key
                }
            }

            _cut.Count.ShouldBe(2); // a picture and a count
            server.Dispose();
            EachPegHasOne(file);
        }
        finally
        {
            server.Dispose();
            Directory.Delete(folder, true);
        }
    }

    private static void EachPegHasOne(string file)
    {
        using var kept = new Microsoft.Data.Sqlite.SqliteConnection($"Data Source={file};Pooling=False");
        kept.Open();
        foreach (var table in new[] { "GroundChecks", "PegPhotos" })
        {
            using var ask = kept.CreateCommand();
            ask.CommandText = $"SELECT group_concat(n) FROM (SELECT count(*) n FROM {table} GROUP BY PegId ORDER BY PegId)";
            ((string)ask.ExecuteScalar()!).ShouldBe("1,1,1,1,1,1,1,1", table);
        }
    }

    private readonly HashSet<string> _cut = [];

    private static ByteArrayContent Picture(byte[] bytes) => new(bytes) { Headers = { ContentType = new("image/jpeg") } };

    [Fact]
    public async Task The_demo_never_overwrites_a_real_holding_and_a_backup_is_whole()
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        Should.Throw<HoldingFileException>(() => HoldingFile.PrepareDemo(h.FilePath,
            _ => throw new InvalidOperationException("nothing may be made"))).Message.ShouldContain("real holding");

        var copy = h.FilePath + ".copy";
        BackupCommand.Run([h.FilePath, copy], TextWriter.Null, TextWriter.Null).ShouldBe(0);
        BackupCommand.Run([h.FilePath, copy], TextWriter.Null, TextWriter.Null).ShouldBe(2);
        using var db = new HoldingDb((DbContextOptions<HoldingDb>)new DbContextOptionsBuilder<HoldingDb>().UseHolding(copy).Options);
        db.Holdings.Single().Name.ShouldBe("Saltmarsh End");
        db.Database.SqlQueryRaw<string>("SELECT journal_mode AS Value FROM pragma_journal_mode").Single().ShouldBe("wal");
        db.Database.SqlQueryRaw<long>("SELECT synchronous AS Value FROM pragma_synchronous").Single().ShouldBe(2);
        db.Database.SqlQueryRaw<long>("SELECT foreign_keys AS Value FROM pragma_foreign_keys").Single().ShouldBe(1);
    }

    [Fact]
    public async Task Strangers_are_kept_out_by_host_and_by_policy()
    {
        using var h = new TestHolding();
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/holding") { Headers = { Host = "evil.example" } };
        (await h.Http.SendAsync(request)).StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        using var page = await h.Http.GetAsync("/api/holding");
        var policy = page.Headers.GetValues("Content-Security-Policy").Single();
        policy.ShouldContain("script-src 'self'");
        policy.ShouldNotContain("script-src 'self' 'unsafe-inline'");
    }

    private sealed record Running(Process Process, Uri Address) : IDisposable
    {
        private bool _gone;

        public void Dispose()
        {
            if (_gone)
            {
                return;
            }

            _gone = true;
            if (!Process.HasExited)
            {
                Process.Kill();
            }

            Process.WaitForExit();
            Process.Dispose();
        }
    }

    private static async Task<Running> Serve(string file)
    {
        var dll = typeof(App).Assembly.Location;
        var port = FreePort();
        var start = new ProcessStartInfo("dotnet",
            [dll, $"--Holding:File={file}", $"--Holding:Port={port}", "--Logging:LogLevel:Default=Error"]) {
            RedirectStandardOutput = true,
            RedirectStandardError = true, WorkingDirectory = Path.GetDirectoryName(dll)
        };
        var process = Process.Start(start)!;
        var address = new Uri($"http://127.0.0.1:{port}");
        using var http = new HttpClient { BaseAddress = address };
        for (var i = 0; i < 1_800 && !process.HasExited; i++)
        {
            try
            {
                await http.GetStringAsync("/api/holding");
                return new Running(process, address);
            }
            catch (HttpRequestException)
            {
                await Task.Delay(100);
            }
        }

        throw new InvalidOperationException("The server did not start: " + await process.StandardError.ReadToEndAsync());
    }

    private static int FreePort()
    {
        using var listener = new System.Net.Sockets.TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }

    private static async Task<JsonNode> Send(HttpClient http, string path, object body)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, path) { Content = JsonContent.Create(body) };
        request.Headers.Add("Idempotency-Key", Guid.NewGuid().ToString());
        using var response = await http.SendAsync(request);
        var text = await response.Content.ReadAsStringAsync();
        response.IsSuccessStatusCode.ShouldBeTrue(text);
        return JsonNode.Parse(text)!;
    }
}
