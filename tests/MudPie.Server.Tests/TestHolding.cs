using System.Net.Http.Json;
using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;
using Microsoft.Extensions.Time.Testing;
using MudPie.Server.Brewing;

namespace MudPie.Server.Tests;

/// <summary>A server over a real SQLite file of its own, with a clock that the test moves.</summary>
public sealed class TestHolding : WebApplicationFactory<LiveBrew>
{
    private readonly bool _demo;
    private readonly bool _background;
    private readonly string _folder;
    private readonly string? _weatherUrl;
    private readonly ILoggerProvider? _logs;
    private readonly (string Name, string Value)[] _settings = [];
    private bool _owner = true;

    public TestHolding()
        : this(false)
    {
    }

    public TestHolding(bool demo, bool background = false, string? weatherUrl = null, ILoggerProvider? logs = null,
        (string Name, string Value)[]? settings = null)
    {
        _settings = settings ?? [];
        _logs = logs;
        _demo = demo;
        _weatherUrl = weatherUrl;
        _background = background;
        _folder = Directory.CreateTempSubdirectory("mudpie-test-").FullName;
        if (demo)
        {
            File.Copy(Template.Value, FilePath); // made once: to make it takes seconds
            _demo = false;
        }

        Http = CreateClient();
    }

    /// <summary>A server over a file that an earlier version has written.</summary>
    public TestHolding(byte[] released)
    {
        _folder = Directory.CreateTempSubdirectory("mudpie-test-").FullName;
        File.WriteAllBytes(FilePath, released);
        Http = CreateClient();
    }

    private static readonly Lazy<string> Template = new(() =>
    {
        var file = Path.Combine(Directory.CreateTempSubdirectory("mudpie-template-").FullName, "demo.mudpie");
        Records.HoldingFile.Prepare(file, db => Records.Demo.DemoHolding.Fill(db, new FakeTimeProvider(Begins).GetUtcNow()));
        return file;
    });

    private static readonly DateTimeOffset Begins = new(2026, 6, 10, 5, 0, 0, TimeSpan.Zero);

    /// <summary>The same file and clock under another server, as after a restart.</summary>
    public TestHolding(TestHolding before)
    {
        (_background, _folder, Clock) = (before._background, before._folder, before.Clock);
        before._owner = false;
        before.Dispose(); // one server a file
        Http = CreateClient();
    }

    public string FilePath => Path.Combine(_folder, "holding.mudpie");

    public FakeTimeProvider Clock { get; } = new(Begins);

    public HttpClient Http { get; }

    public DateTimeOffset Now => Clock.GetUtcNow();

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.UseSetting("Holding:File", FilePath);
        builder.UseSetting("Holding:Demo", _demo ? "true" : "false");
        builder.UseSetting("Holding:PatienceSeconds", "900"); // right on a slow machine too
        builder.UseSetting("Holding:Warm", "false");
        builder.UseSetting("Holding:HashRounds", "1000");
        builder.UseSetting("Holding:TriesAMinute", "1000");
        foreach (var (name, value) in _settings)
        {
            builder.UseSetting(name, value);
        }

        builder.UseSetting("Holding:Say", "false");
        builder.UseSetting("Holding:Background", _background ? "true" : "false");
        builder.UseSetting("Holding:WeatherUrl", _weatherUrl ?? "");
        builder.UseSetting("Logging:LogLevel:Default", "Error");
        builder.ConfigureServices(services =>
        {
            services.AddSingleton<TimeProvider>(Clock);
            if (_logs is not null)
            {
                services.AddLogging(l => l.ClearProviders().AddProvider(_logs));
            }
        });
    }

    public async Task<JsonNode> Get(string path) => JsonNode.Parse(await Http.GetStringAsync(path))!;

    /// <summary>Makes the watch look once, as the background would.</summary>
    public async Task Look()
    {
        using var scope = Services.CreateScope();
        await MudPie.Server.Watch.WatchService.Look(scope.ServiceProvider.GetRequiredService<MudPie.Records.HoldingDb>(),
            scope.ServiceProvider.GetRequiredService<MudPie.Server.Web.HoldingClock>(),
            scope.ServiceProvider.GetRequiredService<LiveBrew>());
    }

    /// <summary>Posts and expects a yes.</summary>
    public async Task<JsonNode> Post(string path, object body, string? key = null)
    {
        var (status, reply) = await Send(path, body, key);
        status.ShouldBe(200, reply.ToJsonString());
        return reply;
    }

    /// <summary>Three kinds of check at a peg of this bed say how alive its ground is.</summary>
    /// <param name="bed">Which bed.</param>
    /// <param name="worms">A block: over 8 living, under 4 poor.</param>
    public async Task Alive(int bed, int worms)
    {
        var peg = (int)(await Post("/api/look/pegs", new { name = "a peg", bedId = bed }))["id"]!;
        foreach (var check in new object[] { new { kind = "worms", counts = new[] { worms, worms } },
            new { kind = "roots", plants = 10, turned = worms > 8 ? 0 : worms < 4 ? 6 : 1 },
            new { kind = "crumbs", classes = Enumerable.Repeat(worms > 8 ? 6 : worms < 4 ? 1 : 4, 8) } })
        {
            await Post("/api/look/checks", new { pegId = peg, check, wet = "moist" });
        }
    }

    /// <summary>Posts and expects a refusal; gives the sentence for each field.</summary>
    public async Task<Dictionary<string, string>> Refused(string path, object body)
    {
        var (status, reply) = await Send(path, body, null);
        status.ShouldBeInRange(400, 422, reply.ToJsonString());
        return reply["fields"]!.AsArray().GroupBy(f => (string)f!["field"]!)
            .ToDictionary(g => g.Key, g => $"{g.First()!["wrong"]} {g.First()!["wayOut"]}");
    }

    public Task<(int Status, JsonNode Reply)> Send(string path, object body, string? key) => Send(Http, path, body, key);

    /// <summary>The same by somebody else's browser.</summary>
    public static async Task<(int Status, JsonNode Reply)> Send(HttpClient http, string path, object body, string? key = null)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, path) {
            Content = body is string raw ? new StringContent(raw, System.Text.Encoding.UTF8, "application/json")
                : JsonContent.Create(body, options: new JsonSerializerOptions(JsonSerializerDefaults.Web)),
        };
        request.Headers.Add("Idempotency-Key", key ?? Guid.NewGuid().ToString());
        using var response = await http.SendAsync(request);
        return ((int)response.StatusCode, JsonNode.Parse(await response.Content.ReadAsStringAsync())!);
    }

    /// <summary>The owner's password is made: from here on everybody signs in, and <see cref="Http"/> is the owner's desk.</summary>
    public Task<JsonNode> Owned() => Post("/api/people/owner", new { name = "the owner", password = Password });

    public const string Password = "seven wet boots on a gate";

    /// <summary>A phone that has joined.</summary>
    public async Task<HttpClient> Joined(string role, string name)
    {
        var code = (string)(await Post("/api/people/codes", new { name, role }))["code"]!;
        var phone = CreateClient();
        (await Send(phone, "/api/people/join", new { code, device = $"{name}'s phone" })).Status.ShouldBe(200);
        return phone;
    }

    public static object SetUp => new {
        name = "Saltmarsh End",
        place = "52.5, 0.0",
        altitude = "6 m",
        zone = "Europe/London",
        units = "metric",
        bedName = "Ridge Bed 4",
        area = "200 m²",
        crop = "fennel",
        growing = "annual",
        shape = "bucket",
        total = "20 L",
        depth = "28 cm",
        openFlow = "6 L/min",
        shutOff = "20 kPa",
        diffuserKind = "airStone",
        waterKind = "mains",
        strip = "0.6",
    };

    public object Plan(string purpose = "leaf", double hoursOn = 48) =>
        new { bedIds = new[] { 1 }, purpose, useAt = Now.AddHours(hoursOn), warmthC = 18, swingC = 2 };

    /// <summary>Sets up, plans, and starts a tea; the number of the batch.</summary>
    public async Task<int> Started()
    {
        await Post("/api/holding/setup", SetUp);
        var id = (int)(await Post("/api/brew/batches", Plan()))["id"]!;
        var batch = await Get($"/api/brew/batches/{id}");
        Clock.SetUtcNow(batch["plannedStart"]!.GetValue<DateTimeOffset>());
        await Post($"/api/brew/batches/{id}/start", new { strip = "0" });
        return id;
    }

    protected override void Dispose(bool disposing)
    {
        base.Dispose(disposing);
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        if (disposing && _owner && Directory.Exists(_folder))
        {
            Directory.Delete(_folder, true);
        }
    }
}
