using System.Diagnostics;
using System.Net;
using System.Net.Sockets;
using System.Text;
using System.Text.Json.Nodes;
using MudPie.Core.Brewing;
using MudPie.Core.Workings;
using MudPie.Server.Brewing;
using MudPie.StandIns;

namespace MudPie.Server.Tests;

/// <summary>The simulated probe and the reader of probes, over real sockets.</summary>
public class ProbeTests
{
    private static ProbeSettings Settings(TestHolding h, int port = 0, double every = 120) => new() {
        Name = "test-probe",
        StartedAt = h.Now.AddHours(-6),
        Brew = new BrewQuestion {
            VolumeL = 17, DepthM = 0.28, Diffuser = "airStone", AirLpm = 5, TemperatureC = 18, Hours = 48,
            Sources = [new SourceAmount { Kind = "compost", Litres = 1 }], Foods = [new FoodAmount { Kind = "fishHydrolysate", Ml = 10 }]
        },
        Truth = Multipliers.Table,
        EverySeconds = every,
        Strays = new Straying(0.05, 0.4),
        Port = port,
        HttpPort = 0,
    };

    private static async Task<int> SixHoursIn(TestHolding h)
    {
        var id = await h.Started();
        h.Clock.Advance(TimeSpan.FromHours(6));
        return id;
    }

    private static async Task<JsonNode> Until(TestHolding h, int id, Func<JsonNode, bool> so)
    {
        for (var clock = Stopwatch.StartNew(); clock.Elapsed < TimeSpan.FromMinutes(3);
        await Task.Delay(100, TestContext.Current.CancellationToken))
        {
            var reply = await h.Http.GetAsync($"/api/brew/batches/{id}/probe");
            if (reply.StatusCode == HttpStatusCode.OK && JsonNode.Parse(await reply.Content.ReadAsStringAsync()) is { } view && so(view))
            {
                return view;
            }
        }

        throw new TimeoutException("The probe's readings did not come: " + await h.Http.GetStringAsync($"/api/brew/batches/{id}/probe"));
    }

    [Fact]
    public async Task All_that_it_has_read_is_stored_once_also_after_the_probe_was_away()
    {
        using var h = new TestHolding(false, background: true);
        var id = await SixHoursIn(h);
        var probe = new SimulatedProbe(Settings(h), h.Clock);
        var port = probe.Port;
        await h.Post($"/api/brew/batches/{id}/probe", new { host = "127.0.0.1", port });
        var view = await Until(h, id, v => (int)v["readings"]! == 181); // 0 to 6 h every two minutes
        ((bool)view["simulated"]!).ShouldBeTrue();

        await probe.DisposeAsync(); // killed
        h.Clock.Advance(TimeSpan.FromHours(1));
        await Until(h, id, v => v["events"]!.AsArray().Any(e => (string)e!["kind"]! == "silent"));
        await using var again = new SimulatedProbe(Settings(h, port) with { StartedAt = h.Now.AddHours(-7) }, h.Clock);
        view = await Until(h, id, v => (int)v["readings"]! == 211);
        view["points"]!.AsArray().Sum(p => (int)p!["readings"]!).ShouldBe(211);

        var pairs = (double)(await h.Post($"/api/brew/batches/{id}/log", new { kind = "oxygen", value = "8.0" }))["id"]!;
        pairs.ShouldBeGreaterThan(0);
        view = await Until(h, id, v => v["drift"] is not null);
        ((string)view["says"]!).ShouldContain("your own readings");
        var watch = (await h.Get($"/api/brew/batches/{id}"))["watch"]!;
        ((double)watch["value"]!["forecast"]!["effectiveMembers"]!).ShouldBeInRange(30, 300); // never fewer than a tenth carry the band
        watch["working"]!.ToJsonString().ShouldContain("oxygen readings"); // and they were learnt from
        await h.Post($"/api/brew/batches/{id}/probe/detach", new { });
        ((string)(await h.Get($"/api/brew/batches/{id}/probe"))["says"]!).ShouldContain("taken out");
    }

    [Fact]
    public async Task A_server_that_was_away_asks_for_what_it_missed()
    {
        var h = new TestHolding(false, background: true);
        var id = await SixHoursIn(h);
        await using var probe = new SimulatedProbe(Settings(h), h.Clock);
        await h.Post($"/api/brew/batches/{id}/probe", new { port = probe.Port });
        await Until(h, id, v => (int)v["readings"]! == 181);
        using var again = new TestHolding(h); // the file is handed on
        h.Dispose();
        again.Clock.Advance(TimeSpan.FromHours(2));
        var view = await Until(again, id, v => (int)v["readings"]! == 241);
        view["events"]!.AsArray().ShouldNotContain(e => (string)e!["kind"]! == "back"); // nothing is missing
    }

    [Fact]
    public async Task Two_batches_two_windows_and_the_probe_writing_at_once_lose_nothing()
    {
        using var h = new TestHolding(false, background: true);
        var first = await SixHoursIn(h);
        var second = (int)(await h.Post("/api/brew/batches", h.Plan()))["id"]!;
        await h.Post($"/api/brew/batches/{second}/start", new { strip = "0" });
        h.Clock.Advance(TimeSpan.FromHours(1));
        await using var probe = new SimulatedProbe(Settings(h, 0, 5), h.Clock); // 5 s: some 4,300 readings at once
        await h.Post($"/api/brew/batches/{first}/probe", new { port = probe.Port });
        await Task.WhenAll(Enumerable.Range(0, 40)
            .Select(i => h.Post($"/api/brew/batches/{(i % 2 == 0 ? first : second)}/log", new { kind = "note", value = $"note {i}" })));
        foreach (var id in new[] { first, second })
        {
            (await h.Get($"/api/brew/batches/{id}"))["log"]!.AsArray().Count(l => (string)l!["kind"]! == "note").ShouldBe(20);
        }

        var newest = probe.Newest;
        await Until(h, first, v => (int)v["readings"]! >= newest);
    }

    [Theory]
    [InlineData("hello mudpie-probe 1 bad real", "flood")]
    [InlineData("hello mudpie-probe 1 bad real", "nonsense")]
    public async Task A_flood_and_nonsense_are_refused_and_logged_and_nothing_falls_over(string hello, string then)
    {
        using var h = new TestHolding(false, background: true);
        var id = await SixHoursIn(h);
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        var serving = Task.Run(async () =>
        {
            while (true)
            {
                using var client = await listener.AcceptTcpClientAsync();
                try
                {
                    await client.GetStream().WriteAsync(Encoding.ASCII.GetBytes(hello + "\n"));
                    var sent = then == "flood"
                        ? new string('7', 1_000_000)
                        : "r x y z\nr 1 2026-06-10T09:00:00.000Z NaN 18\nr 2 2099-01-01T00:00:00.000Z 7 18\nr 3 2026-06-10T09:00:00.000Z "
                            + "7.5 18.0\nr 4 2026-06-10T09:02:00.000Z -3 18\n";
                    await client.GetStream().WriteAsync(Encoding.ASCII.GetBytes(sent));
                    await Task.Delay(400);
                }
                catch (IOException)
                {
                    // The reader closed on us, as it should.
                }
            }
        }, TestContext.Current.CancellationToken);
        await h.Post($"/api/brew/batches/{id}/probe", new { port = ((IPEndPoint)listener.LocalEndpoint).Port });
        var view = await Until(h, id, v => v["events"]!.AsArray().Count(e => (string)e!["kind"]! == "refused")
            >= (then == "flood" ? 1 : 4));
        ((int)view["readings"]!).ShouldBeLessThanOrEqualTo(1);
        await Until(h, id, v => (int)v["readings"]! == (then == "flood" ? 0 : 1));
        (await h.Get("/api/today"))["items"].ShouldNotBeNull();
        serving.IsFaulted.ShouldBeFalse();
    }

    [Fact]
    public async Task Only_this_machine_and_only_what_greets_as_a_probe_can_be_hung_in()
    {
        using var h = new TestHolding();
        var id = await SixHoursIn(h);
        (await h.Refused($"/api/brew/batches/{id}/probe", new { host = "10.0.0.7", port = 5181 })).Keys.ShouldContain("host");
        (await h.Refused($"/api/brew/batches/{id}/probe", new { port = 1 })).Keys.ShouldContain("port");
        (await h.Refused($"/api/brew/batches/{id}/probe", new { port = 99999 })).Keys.ShouldContain("port");
        (await h.Http.GetAsync($"/api/brew/batches/{id}/probe")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
    }

    [Fact]
    public async Task A_heaps_core_is_read_from_a_probe_once_and_written_with_its_name()
    {
        using var h = new TestHolding(demo: true);
        // A heap of its core's warmth: the stand-in tells the water's, which is set to a heap's.
        var hot = Settings(h) with { Brew = Settings(h).Brew with { TemperatureC = 40 } };
        await using var probe = new SimulatedProbe(hot, h.Clock);
        var before = (await h.Get("/api/heaps/2"))["log"]!.AsArray().Count;
        await h.Post("/api/heaps/2/probe", new { port = probe.Port });
        var log = (await h.Get("/api/heaps/2"))["log"]!.AsArray();
        log.Count.ShouldBe(before + 1);
        ((string)log[0]!["note"]!).ShouldBe("by test-probe (simulated)");
        ((string)log[0]!["shown"]!).ShouldBe($"core {Say.Number(probe.Line(probe.Newest)!.TemperatureC, 3)} °C");
    }

    [Fact]
    public async Task A_probe_that_is_silent_or_old_or_none_writes_nothing_at_a_heap()
    {
        using var h = new TestHolding(demo: true);
        var before = (await h.Get("/api/heaps/2"))["log"]!.AsArray().Count;
        await using var none = new SimulatedProbe(Settings(h) with { StartedAt = h.Now.AddDays(1) }, h.Clock);
        await using var slow = new SimulatedProbe(Settings(h, every: 7200) with { StartedAt = h.Now.AddHours(-3) }, h.Clock);
        (await h.Refused("/api/heaps/2/probe", new { port = none.Port }))["port"].ShouldContain("no reading");
        (await h.Refused("/api/heaps/2/probe", new { port = slow.Port }))["port"].ShouldContain("nothing new for 15 minutes");
        (await h.Refused("/api/heaps/2/probe", new { port = 1 }))["port"].ShouldContain("greets as a probe");
        (await h.Refused("/api/heaps/2/probe", new { port = 70000 })).Keys.ShouldContain("port");
        (await h.Get("/api/heaps/2"))["log"]!.AsArray().Count.ShouldBe(before);
    }

    [Theory]
    [InlineData("hello mudpie-probe 1 barrel simulated", true)]
    [InlineData("hello mudpie-probe 2 barrel simulated", false)]
    [InlineData("hello mudpie-probe 1 barrel perhaps", false)]
    [InlineData("GET / HTTP/1.1", false)]
    public void The_greeting_is_read_strictly(string line, bool probe) => (ProbeWire.Hello(line) is not null).ShouldBe(probe);

    [Fact]
    public async Task The_process_itself_says_that_it_is_simulated_and_reads_the_same_after_a_restart()
    {
        var settings = Path.GetTempFileName();
        var (tcp, http) = (Free(), Free());
        File.WriteAllText(settings,
            $$"""{"name":"p","startedAt":"{{DateTimeOffset.UtcNow.AddHours(-1):O}}","brew":{"volumeL":17,"depthM":0.28,"diffuser":"airStone","airLpm":5,"temperatureC":18,"hours":48,"sources":[{"kind":"compost","litres":1}]},"seed":3,"everySeconds":60,"port":{{tcp}},"httpPort":{{http}}}""");
        var seen = new List<string>();
        for (var i = 0; i < 2; i++)
        {
            using var process =
                Process.Start(new ProcessStartInfo("dotnet",
                    [typeof(SimulatedProbe).Assembly.Location, "probe", settings]) { RedirectStandardOutput = true })!;
            try
            {
                (await process.StandardOutput.ReadLineAsync(TestContext.Current.CancellationToken))!.ShouldContain("Simulated probe");
                using var web = new HttpClient();
                (await web.GetStringAsync($"http://127.0.0.1:{http}/", TestContext.Current.CancellationToken)).ShouldContain(
                    "\"simulated\":true");
                seen.Add((await web.GetStringAsync($"http://127.0.0.1:{http}/readings?from=0",
                    TestContext.Current.CancellationToken))[..2000]);
            }
            finally
            {
                process.Kill(true);
                await process.WaitForExitAsync(TestContext.Current.CancellationToken);
            }
        }

        seen[1].ShouldBe(seen[0]);
    }

    private static int Free()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }
}
