using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Time.Testing;
using MudPie.Server.Brewing;
using MudPie.Server.Held;

namespace MudPie.Server.Tests;

/// <summary>A co-operative's box over a folder of its own, with a clock that the test moves. Whoever keeps it has signed in.</summary>
public sealed class TestBox : WebApplicationFactory<LiveBrew>
{
    public const string Keepers = "nine grey geese in a row";

    private static readonly DateTimeOffset Begins = new(2026, 6, 10, 5, 0, 0, TimeSpan.Zero);

    public string Folder { get; } = Directory.CreateTempSubdirectory("mudpie-box-").FullName;

    public FakeTimeProvider Clock { get; } = new(Begins);

    public HttpClient Keeper { get; }

    public OpenHoldings All => Services.GetRequiredService<OpenHoldings>();

    private readonly bool _background;

    public TestBox()
        : this(false)
    {
    }

    public TestBox(bool background)
    {
        _background = background;
        Keeper = Visitor("");
        TestHolding.Send(Keeper, "/api/people/owner", new { name = "the keeper", password = Keepers }).GetAwaiter().GetResult().Status
            .ShouldBe(200);
    }

    /// <summary>Somebody's browser at a holding, or at the box.</summary>
    public HttpClient Visitor(string holding) => CreateClient(new WebApplicationFactoryClientOptions {
        BaseAddress = new Uri(holding.Length == 0 ? "http://localhost" : $"http://{holding}.localhost")
    });

    /// <summary>A new holding, set up, and the browser of its owner with a password.</summary>
    public async Task<HttpClient> Make(string name, string owner = "the grower", bool setUp = true)
    {
        var (status, made) = await TestHolding.Send(Keeper, "/api/box/holdings", new { name, owner });
        status.ShouldBe(200, made.ToJsonString());
        ((string)made["address"]!).ShouldBe($"http://{name}.localhost/join#{(string)made["code"]!}");
        var http = await Join(name, (string)made["code"]!);
        (await TestHolding.Send(http, "/api/people/password", new { old = "", fresh = PasswordOf(name) })).Status.ShouldBe(200);
        if (setUp)
        {
            (status, made) = await TestHolding.Send(http, "/api/holding/setup", TestHolding.SetUp);
            status.ShouldBe(200, made.ToJsonString());
        }

        return http;
    }

    public static string PasswordOf(string holding) => $"three wet boots at the {holding}";

    /// <summary>A write of a holding's record.</summary>
    public static async Task Write(HttpClient who, string name, string? key = null)
    {
        var (status, reply) = await TestHolding.Send(who, "/api/look/pegs", new { name, bedId = 1 }, key);
        status.ShouldBe(200, reply.ToJsonString());
    }

    /// <summary>A brew that is going.</summary>
    public async Task Start(HttpClient who)
    {
        async Task<JsonNode> Post(string path, object body)
        {
            var (status, reply) = await TestHolding.Send(who, path, body);
            status.ShouldBe(200, reply.ToJsonString());
            return reply;
        }

        var id = (int)(await Post("/api/brew/batches", new {
            bedIds = new[] { 1 }, purpose = "leaf", useAt = Clock.GetUtcNow().AddHours(48), warmthC = 18, swingC = 2
        }))["id"]!;
        Clock.SetUtcNow((await Get(who, $"/api/brew/batches/{id}"))["plannedStart"]!.GetValue<DateTimeOffset>());
        await Post($"/api/brew/batches/{id}/start", new { strip = "0" });
    }

    public async Task<HttpClient> Join(string holding, string code, object? known = null)
    {
        var http = Visitor(holding);
        var (status, reply) = await TestHolding.Send(http, "/api/people/join", new { code, device = "a phone", known });
        status.ShouldBe(200, reply.ToJsonString());
        return http;
    }

    public static async Task<JsonNode> Get(HttpClient who, string path) => JsonNode.Parse(await who.GetStringAsync(path))!;

    public static async Task<int> Status(HttpClient who, string path)
    {
        using var answer = await who.GetAsync(path);
        return (int)answer.StatusCode;
    }

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        foreach (var (name, value) in new[] { ("Folder", Folder), ("PatienceSeconds", "900"), ("Warm", "false"), ("HashRounds", "1000"),
            ("TriesAMinute", "1000"), ("Say", "false"), ("Background", _background ? "true" : "false"), ("Copies", "true") })
        {
            builder.UseSetting("Holding:" + name, value);
        }

        builder.UseSetting("Logging:LogLevel:Default", "Error");
        builder.ConfigureServices(services => services.AddSingleton<TimeProvider>(Clock));
    }

    protected override void Dispose(bool disposing)
    {
        base.Dispose(disposing);
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        if (Directory.Exists(Folder))
        {
            Directory.Delete(Folder, true);
        }
    }
}
