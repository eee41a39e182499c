using System.Collections.Concurrent;
using System.Diagnostics;
using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Net.Sockets;
using Microsoft.Data.Sqlite;
using MudPie.Records;
using MudPie.Records.Demo;

namespace MudPie.Bench;

/// <summary>The server as its own process: a hundred phones at one holding, and a co-operative's box of a thousand.</summary>
internal static class Boxes
{
    private const string Password = "seven wet boots on a gate";
    private const int Phones = 100, Holdings = 1000, Brewing = 20;
    private static readonly TimeSpan Span = TimeSpan.FromSeconds(60), Pause = TimeSpan.FromSeconds(1);

    /// <summary>A hundred phones at one holding read and write for a minute, each about once a second.</summary>
    public static async Task One()
    {
        using var folder = new Temporary();
        var file = Path.Combine(folder.Path, "holding.mudpie");
        await Template(file);
        using var server = await Server.Begin($"--Holding:File={file}");
        var phones = await Task.WhenAll(Enumerable.Range(0, Phones).Select(_ => server.SignIn("localhost")));
        await Minute("a hundred phones at one holding", server, phones, "/api/brew/batches/14");
    }

    /// <summary>A thousand holdings on one box, a hundred of them open, each with a phone that reads and writes.</summary>
    public static async Task Many()
    {
        using var folder = new Temporary();
        var template = Path.Combine(folder.Path, "template");
        await Template(template);
        var quiet = template + "-quiet"; // nothing goes on in it
        File.Copy(template, quiet);
        using (var file = new SqliteConnection($"Data Source={quiet};Pooling=false"))
        {
            file.Open();
            using var over = file.CreateCommand();
            over.CommandText = "UPDATE Batches SET State = 'used' WHERE State IN ('brewing', 'off')";
            over.ExecuteNonQuery();
        }

        HoldingFile.Alone(quiet);
        var holdings = Directory.CreateDirectory(Path.Combine(folder.Path, "holdings")).FullName;
        for (var i = 0; i < Holdings; i++)
        {
            File.Copy(i < Brewing ? template : quiet, Path.Combine(holdings, $"n{i}.mudpie"));
        }

        var began = Stopwatch.GetTimestamp();
        using var server = await Server.Begin($"--Holding:Folder={holdings}", "--Holding:Copies=false");
        Console.WriteLine($"({Brewing} of the thousand have brews that go on, and are kept open)");
        Say("a box of a thousand answers after", Stopwatch.GetElapsedTime(began).TotalMilliseconds, "ms");
        Say("  its memory, none open", server.Megabytes(), "MB");
        await server.SignIn("n999.localhost"); // what is compiled with the first one is not one more holding's
        var before = server.Megabytes();
        var opening = new List<double>();
        for (var i = 0; i < Phones; i++)
        {
            var at = Stopwatch.GetTimestamp();
            await server.Get($"n{i}.localhost", "/api/me");
            opening.Add(Stopwatch.GetElapsedTime(at).TotalMilliseconds);
        }

        Say("  one is opened in (median)", opening.Order().ElementAt(opening.Count / 2), "ms");
        Say("  memory with one open", before, "MB");
        Say("  memory with a hundred open", server.Megabytes(), "MB");
        var phones = new List<(string Host, string Cookie)>();
        foreach (var i in Enumerable.Range(0, Phones))
        {
            phones.Add(await server.SignIn($"n{i}.localhost"));
        }

        await Minute("a hundred holdings, a phone at each", server, phones, "/api/shelf");
        Say("  memory after it", server.Megabytes(), "MB");
    }

    private static async Task Minute(string what, Server server, IReadOnlyList<(string Host, string Cookie)> phones,
        string page)
    {
        for (var i = 0; i < 150; i++) // a server that runs for a while has compiled what is asked often
        {
            foreach (var path in new[] { "/api/today", page, "/api/watch" })
            {
                await server.Get(phones[0].Host, path, phones[0].Cookie);
            }

            await server.Write(phones[0], "warm");
        }

        var (times, began, written) = (new ConcurrentBag<(int Kind, double Ms)>(), Stopwatch.GetTimestamp(), 0);
        await Task.WhenAll(phones.Select((phone, n) => Task.Run(async () =>
        {
            await Task.Delay(TimeSpan.FromMilliseconds(n * Pause.TotalMilliseconds / phones.Count)); // phones do not march in step
            for (var i = 0; Stopwatch.GetElapsedTime(began) < Span; i++)
            {
                var (at, kind) = (Stopwatch.GetTimestamp(), (i + n) % 4);
                if (kind == 3)
                {
                    await server.Write(phone, $"phone {n}, {i}");
                    Interlocked.Increment(ref written);
                }
                else
                {
                    var path = kind == 0 ? "/api/today" : kind == 1 ? page : "/api/watch";
                    await server.Get(phone.Host, path, phone.Cookie);
                }

                times.Add((kind, Stopwatch.GetElapsedTime(at).TotalMilliseconds));
                await Task.Delay(Pause);
            }
        })));
        var kept = 0;
        foreach (var phone in phones.DistinctBy(p => p.Host))
        {
            kept += (await server.Get(phone.Host, "/api/book/book.csv", phone.Cookie)).Split('\n')
                .Count(l => l.StartsWith("seen,", StringComparison.Ordinal) && l.Contains("phone ", StringComparison.Ordinal));
        }

        static double Most(IEnumerable<double> ms) => ms.Order().ToList() is var all ? all[all.Count * 95 / 100] : 0;
        Say($"{what}: 95 in 100 of {times.Count}", Most(times.Select(t => t.Ms)), "ms   wanted under 150");
        foreach (var (kind, name) in new[] { (0, "Today"), (1, page), (2, "the watch"), (3, "a write") })
        {
            Say($"  of these, {name}", Most(times.Where(t => t.Kind == kind).Select(t => t.Ms)), "ms");
        }

        Say("  of the writes lost or doubled", Math.Abs(kept - written), $"of {written}");
    }

    private static void Say(string what, double value, string unit) =>
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"{what,-52}{value,10:0.0} {unit}"));

    /// <summary>The demo holding with an owner who has a password.</summary>
    private static async Task Template(string file)
    {
        HoldingFile.Prepare(file, db => DemoHolding.Fill(db, DateTimeOffset.UtcNow));
        using var run = Process.Start(new ProcessStartInfo("dotnet", [Server.Dll, "owner", file, "the owner"]) {
            RedirectStandardInput = true, RedirectStandardOutput = true
        })!;
        await run.StandardInput.WriteLineAsync(Password);
        run.StandardInput.Close();
        await run.WaitForExitAsync();
        HoldingFile.Alone(file);
    }

    private sealed class Temporary : IDisposable
    {
        public string Path { get; } = Directory.CreateTempSubdirectory("mudpie-bench-").FullName;

        public void Dispose() => Directory.Delete(Path, true);
    }

    private sealed class Server : IDisposable
    {
        private readonly Process _process;
        private readonly HttpClient _http;

        private Server(Process process, int port) => (_process, _http) = (process, new HttpClient(new SocketsHttpHandler {
            UseCookies = false
        }) { BaseAddress = new Uri($"http://127.0.0.1:{port}") });

        public static string Dll => System.IO.Path.Combine(AppContext.BaseDirectory, "MudPie.Server.dll");

        public static async Task<Server> Begin(params string[] settings)
        {
            using var free = new TcpListener(IPAddress.Loopback, 0);
            free.Start();
            var port = ((IPEndPoint)free.LocalEndpoint).Port;
            free.Stop();
            var start = new ProcessStartInfo("dotnet", [Dll, $"--Holding:Port={port}", "--Holding:Say=false", "--Holding:Warm=false",
                "--Holding:TriesAMinute=100000", "--Holding:HashRounds=1000", "--Logging:LogLevel:Default=Error", .. settings]);
            var server = new Server(Process.Start(start)!, port);
            for (var tries = 0; ; tries++)
            {
                try
                {
                    await server._http.GetStringAsync("/health");
                    return server;
                }
                catch (HttpRequestException) when (tries < 3000)
                {
                    await Task.Delay(20);
                }
            }
        }

        public double Megabytes() => double.Parse(File.ReadLines($"/proc/{_process.Id}/status")
            .Single(l => l.StartsWith("VmRSS", StringComparison.Ordinal)).Split(' ', StringSplitOptions.RemoveEmptyEntries)[^2],
            CultureInfo.InvariantCulture) / 1024;

        public async Task<(string Host, string Cookie)> SignIn(string host)
        {
            using var answer = await Ask(host, HttpMethod.Post, "/api/people/sign-in", null,
                JsonContent.Create(new { name = "the owner", password = Password }));
            return (host, answer.Headers.GetValues("Set-Cookie").Single().Split(';')[0]);
        }

        public async Task<string> Get(string host, string path, string? cookie = null)
        {
            using var answer = await Ask(host, HttpMethod.Get, path, cookie, null);
            return await answer.Content.ReadAsStringAsync();
        }

        public async Task Write((string Host, string Cookie) phone, string text) =>
            (await Ask(phone.Host, HttpMethod.Post, "/api/book/seen", phone.Cookie, JsonContent.Create(new { text }))).Dispose();

        private async Task<HttpResponseMessage> Ask(string host, HttpMethod method, string path, string? cookie, HttpContent? body)
        {
            using var request = new HttpRequestMessage(method, path) { Content = body };
            request.Headers.Host = $"{host}:{_http.BaseAddress!.Port}";
            request.Headers.Add("Idempotency-Key", Guid.NewGuid().ToString());
            if (cookie is not null)
            {
                request.Headers.Add("Cookie", cookie);
            }

            var answer = await _http.SendAsync(request);
            return answer.EnsureSuccessStatusCode();
        }

        public void Dispose()
        {
            _process.Kill();
            _process.WaitForExit();
            _process.Dispose();
            _http.Dispose();
        }
    }
}
