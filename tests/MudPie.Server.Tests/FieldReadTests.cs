using System.Text.Json.Nodes;

namespace MudPie.Server.Tests;

/// <summary>What a phone carries into a field.</summary>
public sealed class FieldReadTests
{
    [Fact]
    public async Task All_that_a_phone_is_told_to_carry_can_be_read_and_holds_what_is_going_on()
    {
        using var h = new TestHolding(demo: true);
        var paths = (await h.Get("/api/field"))["paths"]!.AsArray().Select(p => (string)p!).ToList();
        paths.ShouldBeUnique();
        foreach (var path in paths)
        {
            using var answer = await h.Http.GetAsync(path);
            new[] { 200, 204 }.ShouldContain((int)answer.StatusCode, path);
        }

        foreach (var (list, path) in new[] { ("/api/brew/batches", "/api/brew/batches/"), ("/api/judge/trials", "/api/judge/trials/"),
            ("/api/heaps", "/api/heaps/") })
        {
            paths.ShouldContain(p => p.StartsWith(path, StringComparison.Ordinal), list);
        }

        paths.Count(p => p.StartsWith("/api/look/pegs/", StringComparison.Ordinal)).ShouldBe(5);
        paths.ShouldContain("/api/brew/batches/14");
        paths.ShouldContain(p => p.EndsWith("/small", StringComparison.Ordinal));
    }

    [Fact]
    public async Task Whoever_comes_second_is_shown_both_and_may_write_over_what_stands_having_seen_it()
    {
        using var h = new TestHolding(demo: true);
        var bed = (await h.Get("/api/ground"))["beds"]!.AsArray()[2]!;
        JsonObject Changed(string crop, JsonNode? version) => new() {
            ["id"] = (int)bed["id"]!, ["name"] = (string)bed["name"]!, ["area"] = (string?)bed["areaTyped"] ?? "36 m²", ["crop"] = crop,
            ["growing"] = "annual", ["version"] = version?.DeepClone()
        };
        await h.Post("/api/ground/beds", Changed("leeks", bed["version"]));
        var (status, clash) = await h.Send("/api/ground/beds", Changed("onions", bed["version"]), null);
        status.ShouldBe(409);
        var crop = clash["both"]!.AsArray().Single(b => (string?)b!["field"] == "crop")!;
        ((string?)crop["yours"], (string?)crop["theirs"]).ShouldBe(("onions", "leeks"));
        await h.Post("/api/ground/beds", Changed("onions", clash["version"]));
        ((string?)(await h.Get("/api/ground"))["beds"]!.AsArray()[2]!["crop"]).ShouldBe("onions");
    }
}
