using System.Text.Json.Nodes;
using MudPie.Server.Tests.Fuzz;

namespace MudPie.Server.Tests;

/// <summary>Every line of the record says who wrote it, wherever it is read.</summary>
public sealed class WroteTests
{
    private static IEnumerable<JsonNode> Lines(JsonNode page, string list) => page[list]!.AsArray().OfType<JsonNode>();

    private static string? By(JsonNode line) => (string?)line["wrote"]?["by"];

    [Fact]
    public async Task A_line_says_who_wrote_it_where_it_is_read()
    {
        using var h = new TestHolding(demo: true);
        await h.Owned();
        using var phone = await h.Joined("hand", "Wren");
        (string Door, string Page, string List)[] pages = [
            ("/api/look/checks", "/api/look/pegs/1", "log"),
            ("/api/heaps/2/steps", "/api/heaps/2", "log"),
            ("/api/mix/2/steps", "/api/mix/2", "log"),
            ("/api/works/1/steps", "/api/works/worms/1", "log"),
            ("/api/judge/trials/1/readings", "/api/judge/trials/1/sheet", "readings"),
            ("/api/judge/trials/2/steps", "/api/judge/trials/2", "events"),
            ("/api/brew/batches/14/log", "/api/brew/batches/14", "log"),
        ];
        foreach (var (door, page, list) in pages)
        {
            Lines(await h.Get(page), list).ShouldAllBe(l => By(l) == null, $"{page}: what was there before, nobody wrote");
            var (status, reply) = await TestHolding.Send(phone, door, Examples.GoodFor(door)!);
            status.ShouldBe(200, door + reply.ToJsonString());
            Lines(await h.Get(page), list).Count(l => By(l) == "Wren").ShouldBe(1, page);
        }
    }

    [Fact]
    public async Task What_came_later_than_its_hour_says_when()
    {
        using var h = new TestHolding(demo: true);
        await h.Owned();
        using var phone = await h.Joined("hand", "Wren");
        await TestHolding.Send(phone, "/api/heaps/2/steps", new { step = "warmth", warmth = "61", at = h.Now.AddHours(-3) });
        await TestHolding.Send(phone, "/api/heaps/2/steps", new { step = "warmth", warmth = "62", at = h.Now.AddMinutes(-2) });
        var wrote = Lines(await h.Get("/api/heaps/2"), "log").Where(l => By(l) == "Wren").ToList();
        wrote.Count.ShouldBe(2);
        ((DateTimeOffset?)wrote[0]["wrote"]!["received"]).ShouldBeNull();
        ((DateTimeOffset?)wrote[1]["wrote"]!["received"]).ShouldBe(h.Now);
    }

    [Fact]
    public async Task The_book_names_whoever_wrote_each_entry_of_it()
    {
        using var h = new TestHolding(demo: true);
        await h.Owned();
        using var phone = await h.Joined("hand", "Wren");
        string[] doors = ["/api/book/seen", "/api/book/harvests", "/api/look/field", "/api/put-out/solid", "/api/look/checks"];
        foreach (var door in doors)
        {
            var (status, reply) = await TestHolding.Send(phone, door, Examples.GoodFor(door)!);
            status.ShouldBe(200, door + reply.ToJsonString());
        }

        var batch = (int)(await h.Post("/api/brew/batches", Examples.GoodFor("/api/brew/batches")!))["id"]!;
        (await TestHolding.Send(phone, $"/api/brew/batches/{batch}/start", new { strip = "0" })).Status.ShouldBe(200);
        var entries = Lines(await h.Get("/api/book"), "entries").ToList();
        // two beds were watered
        entries.Where(e => e["by"] is not null).Select(e => $"{e["kind"]} {e["by"]}").Order()
            .ShouldBe(["batch Wren", "check Wren", "field Wren", "field Wren", "harvest Wren", "job Wren", "seen Wren"]);
    }

    [Fact]
    public async Task A_clash_says_whose_change_stands_and_when_it_came()
    {
        using var h = new TestHolding(demo: true);
        await h.Owned();
        using var phone = await h.Joined("hand", "Wren");
        var bed = (await h.Get("/api/ground"))["beds"]!.AsArray().First(b => (int)b!["id"]! == 1)!;
        object As(string crop) => new {
            id = 1, version = (Guid)bed["version"]!, name = (string)bed["name"]!, area = "36 m2", crop, growing = "annual", soilPh = "6.1"
        };
        (await TestHolding.Send(phone, "/api/ground/beds", As("leeks"))).Status.ShouldBe(200);
        h.Clock.Advance(TimeSpan.FromMinutes(20));
        var (status, reply) = await h.Send("/api/ground/beds", As("onions"), null);
        status.ShouldBe(409);
        ((string)reply["title"]!).ShouldBe("Wren changed this while you had it open.");
        ((string)reply["whose"]!["by"]!).ShouldBe("Wren");
        ((DateTimeOffset)reply["whose"]!["at"]!).ShouldBe(h.Now.AddMinutes(-20));
        reply["both"]!.AsArray().Select(b => (string)b!["field"]!).ShouldBe(["crop"]);
    }
}
