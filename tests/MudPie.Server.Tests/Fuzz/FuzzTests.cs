using System.Diagnostics;
using System.Text;
using System.Text.Json.Nodes;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;
using SkiaSharp;

namespace MudPie.Server.Tests.Fuzz;

/// <summary>Every endpoint of the OpenAPI document and every calculator, sent bodies made from its schema and spoilt: nothing answers 5xx,
/// and what was taken breaks no page.</summary>
/// <remarks><c>./mudpie fuzz</c> sends 30,000 with a seed that can be given; the suite sends fewer, with the same seed each time.</remarks>
public sealed class FuzzTests
{
    private static int Setting(string name, int usual) => int.TryParse(Environment.GetEnvironmentVariable(name), out var n) ? n : usual;

    [Fact]
    public Task Whatever_is_sent_is_answered_or_refused_and_never_breaks() => Send(demo: true, Setting("MUDPIE_FUZZ", 2000));

    [Fact]
    public Task Nor_by_whoever_sends_it_signed_in_or_not() => Send(demo: true, Setting("MUDPIE_FUZZ", 2000) / 3, owned: true);

    [Fact]
    public Task Nor_before_the_holding_is_set_up() => Send(demo: false, Setting("MUDPIE_FUZZ", 2000) / 5);

    [Fact]
    public async Task What_is_spoilt_here_is_taken_as_it_stands()
    {
        using var h = new TestHolding(demo: true);
        var doors = (await Doors(h)).Where(d => d.ContentType == "application/json").ToList();
        doors.Where(d => d.Known is null && !d.Path.StartsWith("/api/calc/", StringComparison.Ordinal)).Select(d => d.Path)
            .ShouldBeEmpty("an example is wanted for each door");
        // refused for what stands in the demo, not for their words
        string[] asItStandsThere = ["/api/holding/setup", "/api/brew/batches/15/move", "/api/brew/batches/14/log/1/correct",
            "/api/brew/batches/14/probe", "/api/heaps/2/probe",
            "/api/watch/lines", "/api/watch/1/put-off", "/api/watch/1/done", "/api/judge/patches/1/on",
            "/api/put-out/givings/1/move",
            "/api/people/owner", "/api/people/sign-in", "/api/people/join", "/api/people/password", "/api/people/codes",
            "/api/people/1/role",
            "/api/people/mine/1/strike", "/api/people/devices/1/strike", "/api/people/devices/1/name", "/api/people/yard",
            "/api/copies/restore",
            "/api/box/holdings", "/api/box/holdings/north-field/owner", "/api/shared/vessels", "/api/shared/vessels/1/bookings",
            "/api/shared/vessels/1/give", "/api/shared/vessels/1/receive", "/api/shared/vessels/1/counts", "/api/shared/vessels/1/keep",
            "/api/shared/vessels/1/end", "/api/shared/bookings/1/off",
            "/api/people/passkeys", "/api/people/passkeys/begin", "/api/people/passkeys/gone", "/api/people/passkeys/ask",
            "/api/people/passkeys/enter", "/api/judge/together/take", "/api/judge/together/1/offer",
            "/api/judge/together/trials/1/give"];
        List<string> refused = [];
        foreach (var (path, body) in Examples.All)
        {
            var (status, reply) = await h.Send(path, body, Guid.NewGuid().ToString());
            if (status != 200 && (status is not (422 or 404) || !asItStandsThere.Contains(path)))
            {
                refused.Add($"{status} {path} {Short(reply.ToJsonString())}");
            }
        }

        refused.ShouldBeEmpty();
    }

    private static async Task Send(bool demo, int many, bool owned = false)
    {
        var seed = Setting("MUDPIE_FUZZ_SEED", 9);
        var heard = new Heard();
        byte[] zip;
        using (var full = new TestHolding(demo: true))
        {
            zip = await full.Http.GetByteArrayAsync("/api/judge/trials/1/trial.zip");
        }

        using var h = new TestHolding(demo, logs: heard);
        var doors = await Doors(h);
        doors.Count.ShouldBeGreaterThan(150);
        using var comers = owned ? await Comers.Of(h) : null;
        var bodies = new HostileBodies(await h.Get("/openapi/v1.json"), seed);
        var broken = new Dictionary<string, (int Times, string First)>();
        var by = new Dictionary<int, int>();
        var (slowest, slowestOf) = (TimeSpan.Zero, "");
        for (var i = 0; i < many; i++)
        {
            var door = doors[i % doors.Count];
            using var request = Ask(door, bodies, zip);
            var said = request.Content is null ? "" : await request.Content.ReadAsStringAsync();
            var began = Stopwatch.GetTimestamp();
            using var reply = await (comers is null ? h.Http : await comers.Next()).SendAsync(request);
            var took = Stopwatch.GetElapsedTime(began);
            by[(int)reply.StatusCode] = by.GetValueOrDefault((int)reply.StatusCode) + 1;
            (slowest, slowestOf) = took > slowest ? (took, $"{door.Method} {request.RequestUri} {Short(said)}") : (slowest, slowestOf);
            Note(broken, heard, (int)reply.StatusCode, $"{door.Method} {door.Path}", $"{request.RequestUri} {Short(said)}");
            if ((int)reply.StatusCode >= 400 && reply.Content.Headers.ContentType?.MediaType != "application/problem+json")
            {
                broken.TryAdd($"{(int)reply.StatusCode} {door.Method} {door.Path}: says nothing",
                    (1, $"{request.RequestUri} {Short(said)}"));
            }

            if (i % 1000 == 999 || i == many - 1)
            {
                foreach (var page in doors.Where(d => d.Method == "GET"))
                {
                    using var look = new HttpRequestMessage(HttpMethod.Get, Fill(page.Path, _ => bodies.Any(["1", "2", "5", "14"])));
                    using var seen = await h.Http.SendAsync(look);
                    Note(broken, heard, (int)seen.StatusCode, $"GET {page.Path} (after what was taken)", look.RequestUri!.ToString());
                }
            }
        }

        TestContext.Current.TestOutputHelper?.WriteLine($"{many} sent; the slowest took {slowest.TotalMilliseconds:0} ms: {slowestOf}");
        if (Environment.GetEnvironmentVariable("MUDPIE_FUZZ") is not null)
        {
            Console.WriteLine(
                $"{many} sent with seed {seed}, {broken.Count} kinds of "
                    + $"5xx, {string.Join(", ", by.OrderBy(b => b.Key).Select(b => $"{b.Value} × {b.Key}"))}; the slowest "
                    + $"took {slowest.TotalMilliseconds:0} ms: {slowestOf}");
        }

        broken.Select(b => $"{b.Value.Times} × {b.Key}\n      first: {b.Value.First}").ShouldBeEmpty();
    }

    /// <summary>A stranger, a visitor, a hand and the owner, in turn; whom a request has put out comes in again.</summary>
    private sealed class Comers(TestHolding h) : IDisposable
    {
        private static readonly string[] Roles = ["", "visitor", "hand", "owner"];
        private readonly HttpClient[] _all = [.. Roles.Select(_ => h.CreateClient())];
        private int _turn;

        public static async Task<Comers> Of(TestHolding h)
        {
            await h.Owned();
            return new Comers(h);
        }

        public async Task<HttpClient> Next()
        {
            var (who, role) = (_all[_turn % _all.Length], Roles[_turn % _all.Length]);
            _turn++;
            if (role.Length > 0 && (string?)JsonNode.Parse(await who.GetStringAsync("/api/me"))!["role"] != role)
            {
                using var scope = h.Services.CreateScope();
                var desk = scope.ServiceProvider.GetRequiredService<People.PeopleDesk>();
                var person = await desk.Make($"{role} {_turn}", null, Enum.Parse<Web.Role>(role, true));
                var code = await scope.ServiceProvider.GetRequiredService<People.JoinDesk>().Code(person.Person!);
                // a phone that somebody guessed codes beside waits until those tries are forgotten
                h.Clock.Advance(TimeSpan.FromSeconds(1));
                var (status, _) = await TestHolding.Send(who, "/api/people/join", new { code, device = role });
                if (status != 200)
                {
                    h.Clock.Advance(TimeSpan.FromMinutes(11));
                }
            }

            return who;
        }

        public void Dispose()
        {
            foreach (var who in _all)
            {
                who.Dispose();
            }
        }
    }

    private sealed record Door(string Method, string Path, JsonNode? Schema, string? Known, string ContentType);

    private static async Task<List<Door>> Doors(TestHolding h)
    {
        var api = await h.Get("/openapi/v1.json");
        List<Door> doors = [];
        foreach (var (path, methods) in api["paths"]!.AsObject())
        {
            foreach (var (method, of) in methods!.AsObject())
            {
                var content = of!["requestBody"]?["content"]?.AsObject().FirstOrDefault();
                doors.Add(new Door(method.ToUpperInvariant(), path, content?.Value?["schema"], Examples.GoodFor(path), content?.Key ?? ""));
            }
        }

        foreach (var name in (await h.Get("/api/calc")).AsArray().Select(c => (string)c!["name"]!))
        {
            doors.Add(new Door("POST", $"/api/calc/{name}", await h.Get($"/api/calc/{name}/schema"), Examples.Question(name),
                "application/json"));
        }

        return doors;
    }

    private static readonly byte[][] Pictures = [.. new[] { SKEncodedImageFormat.Png, SKEncodedImageFormat.Jpeg }.Select(f =>
    {
        using var picture = new SKBitmap(40, 30);
        picture.Erase(SKColors.DarkOliveGreen);
        return picture.Encode(f, 90).ToArray();
    })];

    private static HttpRequestMessage Ask(Door door, HostileBodies bodies, byte[] zip)
    {
        var path = Fill(door.Path, name => bodies.In100(85)
            ? bodies.Any<string>(name is "step" ? ["Heap", "source", "air"] : ["1", "2", "3", "5", "14", "15"])
            : bodies.Any(["0", "-1", "2147483648", "abc", "%01", "٣", "1.5", "99999999999999999999"]));
        var query = door.Method == "GET" && bodies.In100(50)
            ? "?" + string.Join('&', new[] { "page", "of", "bed", "from", "to", "year", "hours", "purpose", "at", "useAt", "kind",
                "input" }.Where(_ => bodies.In100(30)).Select(q => $"{q}={Uri.EscapeDataString(bodies.Any(Queries))}")) : "";
        var request = new HttpRequestMessage(new HttpMethod(door.Method), path + query);
        request.Headers.Add("Idempotency-Key", Guid.NewGuid().ToString());
        if (door.ContentType.Length > 0)
        {
            var type = bodies.In100(4) ? bodies.Any(["text/plain", "application/xml", "image/png"]) : door.ContentType;
            request.Content = door.ContentType == "application/json" || bodies.In100(8)
                ? new StringContent(bodies.In100(8) ? bodies.Any(HostileBodies.Raw) : bodies.Of(door.Schema, door.Known)?.ToJsonString()
                    ?? "null", Encoding.UTF8, type)
                : new ByteArrayContent(bodies.Of(door.ContentType == "application/zip" ? zip : bodies.Any(Pictures))) {
                    Headers =
                    { ContentType = new(type) }
                };
        }

        return request;
    }

    private static readonly string[] Queries = ["", "1", "0", "-1", "2147483648", "NaN", "abc", "٣", "2026-06-11T07:00:00Z",
        "9999-12-31T23:59:59Z", "0001-01-01T00:00:00+14:00", "bed-1", "batch-99999999999", "lot--1", "leaf", "1e308"];

    private static string Fill(string path, Func<string, string> of) =>
        System.Text.RegularExpressions.Regex.Replace(path, @"\{([^}:]+)[^}]*\}", m => of(m.Groups[1].Value));

    private static string Short(string text) => text.Length > 900 ? text[..900] + $"… ({text.Length})" : text;

    private static void Note(Dictionary<string, (int Times, string First)> broken, Heard heard, int status, string door, string first)
    {
        var why = heard.Take();
        if (status < 500)
        {
            return;
        }

        var key = $"{status} {door}: {why}";
        broken[key] = (broken.GetValueOrDefault(key).Times + 1, broken.GetValueOrDefault(key).First ?? first);
    }

    /// <summary>Hears what the server logs of a failure: the kind of it and where in our own code.</summary>
    public sealed class Heard : ILoggerProvider, ILogger
    {
        private string _last = "";

        public string Take() => Interlocked.Exchange(ref _last, "");

        public ILogger CreateLogger(string categoryName) => this;

        public void Dispose()
        {
        }

        public IDisposable? BeginScope<TState>(TState state)
            where TState : notnull => null;

        public bool IsEnabled(LogLevel logLevel) => logLevel >= LogLevel.Error;

        public void Log<TState>(LogLevel logLevel, EventId eventId, TState state, Exception? exception,
            Func<TState, Exception?, string> formatter)
        {
            if (exception is not null)
            {
                var ours = exception.ToString().Split('\n').Where(l => l.Contains("at MudPie.", StringComparison.Ordinal))
                    .Select(l => l.Trim().Split(" in ")[0]).Take(2);
                _last = $"{exception.GetType().Name} {exception.Message.Split('\n')[0]} "
                    + $"{(exception.InnerException is { } inner ? $"({inner.Message})" : "")} {string.Join(" ← ", ours)}";
            }
        }
    }
}
