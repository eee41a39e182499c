using System.Diagnostics;
using System.IO.Compression;
using System.Net.Http.Json;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using MudPie.Server.Brewing;

namespace MudPie.Bench;

/// <summary>What the first issue wants fast, by stopwatch: the median of many rounds after a warm-up.</summary>
internal static class Quick
{
    public static void Kernels()
    {
        var k = new Kernels();
        Line("one brew-run of 48 h at 1e-6", 0.2, Median(2000, 500, () => k.Run48h()));
        Line("brew-run, the whole answer", null, Median(500, 200, () => k.RunAnswer()));
        Line("1,000 members of 48 h", 120, Median(20, 10, () => k.Ensemble()));
    }

    public static async Task Http()
    {
        var file = Path.Combine(Path.GetTempPath(), $"mudpie-bench-{Environment.ProcessId}.mudpie");
        await using var host = new BenchHost(file);
        host.UseKestrel(0);
        host.StartServer();
        using var http = new HttpClient { BaseAddress = host.ClientOptions.BaseAddress };
        var plan = new { bedIds = new[] { 5, 6, 7 }, purpose = "leaf", useAt = DateTimeOffset.UtcNow.AddHours(50), warmthC = 18, swingC = 2 };
        Line("plan re-computed by HTTP", 15, Median(60, 300, () => Ask(http, plan)));
        Line("Today, by HTTP", null, Median(60, 100, () => http.GetStringAsync("/api/today").GetAwaiter().GetResult().Length));
        Line("the live brew, by HTTP", null, Median(60, 100, () => http.GetStringAsync("/api/brew/batches/14").GetAwaiter().GetResult().Length));
        await host.DisposeAsync();
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        foreach (var left in new[] { file, file + "-wal", file + "-shm" })
        {
            File.Delete(left);
        }
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
        var first = System.Text.RegularExpressions.Regex.Matches(File.ReadAllText(Path.Combine(root, "index.html")), "/assets/[^\"]+\\.js").Select(m => m.Value).Distinct();
        Console.WriteLine($"{"script of the first screen, gzip",-42}{first.Sum(f => Zipped(root + f)) / 1000.0,10:0.0} kB   wanted under 200");
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

    private static int Ask(HttpClient http, object plan)
    {
        using var reply = http.PostAsJsonAsync("/api/brew/plan", plan).GetAwaiter().GetResult();
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
            builder.UseSetting("Logging:LogLevel:Default", "Error");
        }
    }
}
