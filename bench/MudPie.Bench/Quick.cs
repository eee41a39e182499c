using System.Diagnostics;
using System.IO.Compression;
using System.Net.Http.Json;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Extensions.DependencyInjection;
using MudPie.Server.Brewing;

namespace MudPie.Bench;

/// <summary>What is wanted fast, by stopwatch: the median of many rounds after a warm-up.</summary>
internal static class Quick
{
    public static void Kernels()
    {
        var k = new Kernels();
        Line("one brew-run of 48 h at 1e-6", 0.2, Median(2000, 500, () => k.Run48h()));
        Line("brew-run, the whole answer", null, Median(500, 200, () => k.RunAnswer()));
        Line("1,000 members of 48 h", 120, Median(20, 10, () => k.Ensemble()));
        Line("a trial judged: 4 treatments, 6 blocks", null, Median(20, 10, () => Judging.Trial()));
        Line("a split plot of 72", 20, Median(20, 20, () => Judging.Large(Design.SplitPlot, 6, 4, 3)));
        Line("20,000 plots in 4,000 blocks", 200, Median(5, 5, () => Judging.Large(Design.Blocks, 4000, 1, 5)));
        Line("20,000 plots, crossed, in 1,000 blocks", 200, Median(5, 5, () => Judging.Large(Design.Factorial, 1000, 4, 5)));
        Line("20,000 plots of a split plot", 200, Median(5, 5, () => Judging.Large(Design.SplitPlot, 1000, 4, 5)));
        Line("14 treatments in 4 blocks, 3 plots missing", 2000, Median(3, 3, () => Judging.Unequal()));
        Line("corrections: 60 inputs, 20 nutrients", 50, Median(10, 20, () => Corrections.Large()));
        Line("a thousand practice fields, five ways", null, Median(5, 5, () => Judging.Practice()));
    }

    /// <summary>Learning: a forecast of 48 h with 1,000 members, re-weighted by one reading, and by six.</summary>
    public static void Learning()
    {
        var k = new Kernels();
        Line("1,000 members learn from a reading", 150, Median(10, 12, () => k.Learn(1)));
        Line("1,000 members learn from six readings", null, Median(6, 12, () => k.Learn(6)));
    }

    public static async Task Http()
    {
        var file = Path.Combine(Path.GetTempPath(), $"mudpie-bench-{Environment.ProcessId}.mudpie");
        await using var host = new BenchHost(file);
        host.UseKestrel(0);
        host.StartServer();
        using var http = new HttpClient { BaseAddress = host.ClientOptions.BaseAddress };
        var plan = new {
            bedIds = new[] { 5, 6, 7 }, purpose = "leaf", useAt = DateTimeOffset.UtcNow.AddHours(50), warmthC = 18,
            swingC = 2
        };
        Line("plan re-computed by HTTP", 15, Median(60, 300, () => Ask(http, plan)));
        Line("a trial's answer, by HTTP", null,
            Median(20, 30, () => http.GetStringAsync("/api/judge/trials/1/answer").GetAwaiter().GetResult().Length));
        Line("the list of trials, by HTTP", null,
            Median(20, 30, () => http.GetStringAsync("/api/judge/trials").GetAwaiter().GetResult().Length));
        Line("Today, by HTTP", null, Median(60, 100, () => http.GetStringAsync("/api/today").GetAwaiter().GetResult().Length));
        Line("the live brew, by HTTP", null,
            Median(60, 100, () => http.GetStringAsync("/api/brew/batches/14").GetAwaiter().GetResult().Length));
        Line("what-if, four curves, by HTTP", null,
            Median(20, 60,
                () => Post(http, "/api/brew/what-if",
                    new { plan, whatIfs = new[] { new { kind = "powerFails" }, new { kind = "secondPump" }, new { kind = "cooler" } } })));
        Line("asked backwards, by HTTP", null, Median(5, 20, () => Post(http, "/api/brew/backwards", new { plan })));
        FillHistory(host);
        var job = new {
            purpose = "leaf", bedIds = Enumerable.Range(1, 40), rate = "500", tank = "400 L", tool = "boom",
            items = new[] { new { inputId = 10, rate = "2 L", basis = "perHa" } }
        };
        Line("a tank for 40 beds over 3 years of history", 100, Median(20, 60, () => Post(http, "/api/put-out/tank/work-out", job)));
        Line("windows of 72 h, by HTTP", null,
            Median(20, 60, () => http.GetStringAsync("/api/put-out/windows").GetAwaiter().GetResult().Length));
        Line("the day line over that history", null,
            Median(20, 60, () => http.GetStringAsync("/api/day-line").GetAwaiter().GetResult().Length));
        Line("a page of the book over that history", null,
            Median(10, 30, () => http.GetStringAsync("/api/book").GetAwaiter().GetResult().Length));
        Line("the thread of a bed over that history", null,
            Median(10, 30, () => http.GetStringAsync("/api/book/thread?of=bed-1").GetAwaiter().GetResult().Length));
        foreach (var page in new[] { "today", "shelf", "ground" })
        {
            Line($"{page} over that history", 8, Median(30, 60, () => http.GetStringAsync($"/api/{page}").GetAwaiter().GetResult().Length));
        }

        FillChecks(host);
        foreach (var page in new[] { "look/years", "look/walk" })
        {
            Line($"{page}: 40 zones, 20 years of checks", 100, Median(20, 60, () => http.GetStringAsync($"/api/{page}").GetAwaiter()
                .GetResult().Length));
        }

        await Sixteen(http, TimeSpan.FromSeconds(Environment.GetCommandLineArgs().Contains("--minute") ? 60 : 10));
        FillProbe(host);
        Line("the probe's 10,000 readings, by HTTP", null,
            Median(20, 60, () => http.GetStringAsync("/api/brew/batches/14/probe").GetAwaiter().GetResult().Length));
        await host.DisposeAsync();
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        foreach (var left in new[] { file, file + "-wal", file + "-shm" })
        {
            File.Delete(left);
        }
    }

    /// <summary>Sixteen clients write without a pause: what 95 in 100 wait, and whether any was lost.</summary>
    private static async Task Sixteen(HttpClient http, TimeSpan span)
    {
        var before = (await http.GetStringAsync("/api/book/book.csv")).Split('\n')
            .Count(l => l.StartsWith("seen,", StringComparison.Ordinal));
        var (began, times) = (Stopwatch.GetTimestamp(), new System.Collections.Concurrent.ConcurrentBag<double>());
        await Task.WhenAll(Enumerable.Range(0, 16).Select(client => Task.Run(async () =>
        {
            for (var i = 0; Stopwatch.GetElapsedTime(began) < span; i++)
            {
                var at = Stopwatch.GetTimestamp();
                using var request = new HttpRequestMessage(HttpMethod.Post,
                    "/api/book/seen") { Content = JsonContent.Create(new { text = $"client {client}, {i}" }) };
                request.Headers.Add("Idempotency-Key", Guid.NewGuid().ToString());
                (await http.SendAsync(request)).EnsureSuccessStatusCode().Dispose();
                times.Add(Stopwatch.GetElapsedTime(at).TotalMilliseconds);
            }
        })));
        var after = (await http.GetStringAsync("/api/book/book.csv")).Split('\n')
            .Count(l => l.StartsWith("seen,", StringComparison.Ordinal));
        Line($"sixteen clients: 95 in 100 of {times.Count} writes", 150, times.Order().ElementAt(times.Count * 95 / 100));
        Console.WriteLine($"{"  of them lost or doubled",-42}{Math.Abs(after - before - times.Count),10}");
    }

    private static string ServerFolder()
    {
        var at = AppContext.BaseDirectory;
        while (!File.Exists(Path.Combine(at, "MudPie.slnx")))
        {
            at = Path.GetDirectoryName(at)!;
        }

        return Path.Combine(at, "src", "MudPie.Server");
    }

    public static void Script()
    {
        var root = Path.Combine(ServerFolder(), "wwwroot");
        var first = System.Text.RegularExpressions.Regex.Matches(File.ReadAllText(Path.Combine(root, "index.html")), "/assets/[^\"]+\\.js")
            .Select(m => m.Value).Distinct();
        Console.WriteLine($"{"script of the first screen, gzip",-42}{first.Sum(f => Zipped(root + f)) / 1000.0,10:0.0} kB   wanted under "
            + "200");
    }

    private static long Zipped(string file)
    {
        using var to = new MemoryStream();
        using (var zip = new GZipStream(to, CompressionLevel.Optimal, leaveOpen: true))
        {
            zip.Write(File.ReadAllBytes(file));
        }

        return to.Length;
    }

    /// <summary>40 beds, each put out on twice a week for three years, from lots that fall.</summary>
    private static void FillHistory(BenchHost host)
    {
        using var scope = host.Services.CreateScope();
        var db = scope.ServiceProvider.GetRequiredService<Records.HoldingDb>();
        var now = DateTimeOffset.UtcNow;
        var beds = db.Beds.OrderBy(b => b.Id).ToList();
        db.AddRange(Enumerable.Range(beds.Count, 40 - beds.Count)
            .Select(i => new Records.Ground.Bed {
                Name = $"Bench Bed {i}", AreaM2 = 36, AreaTyped = "36 m²", Crop = "kale",
                Growing = "annual"
            }));
        db.SaveChanges();
        beds = [.. db.Beds.OrderBy(b => b.Id)];
        var input = db.Inputs.First(i => i.Id == 10);
        var lot = new Records.Shelf.StockLot { InputId = input.Id, Mark = "bench", Origin = LotOrigin.Bought, From = now.AddYears(-3) };
        lot.Entries.Add(new Records.Shelf.StockEntry { At = lot.From, RecordedAt = lot.From, Amount = 500, Reason = StockReason.In });
        db.Add(lot);
        db.SaveChanges();
        for (var i = 0; i < 312; i++)
        {
            var at = now.AddDays(-i * 3.5);
            var job = new Records.PuttingOut.Application {
                At = at, RecordedAt = at, Purpose = Purpose.Leaf, Dilution = "", OneIn = 1,
                WaterL = 200, Tool = "boom", TankL = 400, Fitness = "none", CautionsSeen = "spraying"
            };
            job.Beds.AddRange(beds.Select(b => new Records.PuttingOut.ApplicationBed { BedId = b.Id, TotalL = 5 }));
            job.Items.Add(new Records.PuttingOut.ApplicationItem {
                InputId = input.Id, LotId = lot.Id, Lot = "bench", Name = input.Name,
                Kind = input.Kind, Amount = 0.4, Unit = "L"
            });
            lot.Entries.Add(new Records.Shelf.StockEntry { At = at, RecordedAt = at, Amount = -0.4, Reason = StockReason.Used });
            db.Add(job);
        }

        db.SaveChanges();
    }

    /// <summary>A peg in each of 40 zones, looked at twice a year for twenty years by five checks.</summary>
    private static void FillChecks(BenchHost host)
    {
        using var scope = host.Services.CreateScope();
        var db = scope.ServiceProvider.GetRequiredService<Records.HoldingDb>();
        var now = DateTimeOffset.UtcNow;
        var beds = db.Beds.OrderBy(b => b.Id).Take(40).ToList();
        List<Records.Looking.Peg> pegs = [.. beds.Select((b, i) => new Records.Looking.Peg { Name = $"bench peg {i}", BedId = b.Id,
            Zone = new Records.Looking.Zone { Name = $"bench zone {i}", BedId = b.Id } })];
        db.AddRange(pegs);
        db.SaveChanges();
        var like = db.GroundChecks.Where(c => c.PegId == 1).AsEnumerable().GroupBy(c => c.Kind).Take(5).Select(g => g.First()).ToList();
        db.AddRange(pegs.SelectMany(p => Enumerable.Range(0, 40).SelectMany(i => like.Select(c => new Records.Looking.GroundCheck {
            PegId = p.Id, At = now.AddDays((-i * 182.5) - 1), RecordedAt = now, Kind = c.Kind, Asked = c.Asked, Figure = c.Figure + (i % 3),
            Lower = c.Lower, Upper = c.Upper, Life = c.Life, Shown = c.Shown, Wet = c.Wet
        }))));
        db.SaveChanges();
    }

    private static void FillProbe(BenchHost host)
    {
        using var scope = host.Services.CreateScope();
        var db = scope.ServiceProvider.GetRequiredService<Records.HoldingDb>();
        var start = db.Batches.Single(b => b.Id == 14).StartedAt!.Value;
        var link = new Records.Brewing.ProbeLink {
            BatchId = 14, Name = "bench", Host = "127.0.0.1", Port = 1, Simulated = true,
            AttachedAt = start, DetachedAt = start
        };
        db.Add(link);
        db.SaveChanges();
        db.AddRange(Enumerable.Range(0, 10_000)
            .Select(i => new Records.Brewing.ProbeReadingKept {
                ProbeLinkId = link.Id, Sequence = i, At = start.AddSeconds(i * 4),
                MgPerL = 8 + Math.Sin(i / 900.0), TemperatureC = 19
            }));
        db.SaveChanges();
    }

    private static int Ask(HttpClient http, object plan) => Post(http, "/api/brew/plan", plan);

    private static int Post(HttpClient http, string path, object body)
    {
        using var reply = http.PostAsJsonAsync(path, body).GetAwaiter().GetResult();
        return reply.EnsureSuccessStatusCode().Content.ReadAsStringAsync().GetAwaiter().GetResult().Length;
    }

    private static double Median<T>(int warmUp, int rounds, Func<T> work)
    {
        for (var i = 0; i < warmUp; i++)
        {
            work();
        }

        Thread.Sleep(300); // let the compiler finish what the warm-up asked for
        for (var i = 0; i < warmUp; i++)
        {
            work();
        }

        var times = new double[rounds];
        for (var i = 0; i < rounds; i++)
        {
            var at = Stopwatch.GetTimestamp();
            work();
            times[i] = Stopwatch.GetElapsedTime(at).TotalMilliseconds;
        }

        Array.Sort(times);
        return times[rounds / 2];
    }

    private static void Line(string what, double? wanted, double ms) =>
        Console.WriteLine($"{what,-42}{ms,10:0.000} ms{(wanted is { } w ? $"   wanted under {w}" : "")}");

    private sealed class BenchHost(string file) : WebApplicationFactory<LiveBrew>
    {
        protected override void ConfigureWebHost(IWebHostBuilder builder)
        {
            builder.UseContentRoot(ServerFolder());
            builder.UseSetting("Holding:File", file);
            builder.UseSetting("Holding:Demo", "true");
            builder.UseSetting("Holding:Background", "false");
            builder.UseSetting("Logging:LogLevel:Default", "Error");
        }
    }
}
