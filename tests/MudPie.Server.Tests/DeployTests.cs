using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Microsoft.Data.Sqlite;

namespace MudPie.Server.Tests;

/// <summary>Kept running by others: whether it lives, what it says of itself, and that what lies in deploy/ fits.</summary>
public sealed class DeployTests
{
    private static async Task<int> Status(HttpClient who, string path)
    {
        using var answer = await who.GetAsync(path);
        return (int)answer.StatusCode;
    }

    [Fact]
    public async Task It_says_to_anybody_that_it_lives_and_whether_its_file_can_be_read_and_no_more()
    {
        using var h = new TestHolding(demo: true);
        await h.Owned();
        using var stranger = h.CreateClient();
        (await stranger.GetStringAsync("/health")).ShouldBe("Healthy");
        (await stranger.GetStringAsync("/ready")).ShouldBe("Healthy");
        using (var file = new SqliteConnection($"Data Source={h.FilePath};Pooling=False"))
        {
            file.Open();
            using var take = file.CreateCommand();
            take.CommandText = "ALTER TABLE Holdings RENAME TO Gone";
            take.ExecuteNonQuery();
        }

        (await Status(stranger, "/ready")).ShouldBe(503);
        (await Status(stranger, "/health")).ShouldBe(200);
    }

    [Fact]
    public async Task A_line_of_a_request_holds_its_pattern_and_nothing_of_anybody()
    {
        var folder = Directory.CreateTempSubdirectory("mudpie-logs-").FullName;
        using (var h = new TestHolding(demo: true, settings: [("Holding:Logs", folder)]))
        {
            await h.Owned();
            using var phone = await h.Joined("hand", "Wren");
            (await TestHolding.Send(phone, "/api/notes", new { text = "note a hare in ridge bed 4" })).Status.ShouldBe(200);
            (await Status(phone, "/api/book/thread?of=harebell")).ShouldBeGreaterThan(0);
            (await Status(phone, "/api/look/pegs/3")).ShouldBe(200);
            (await TestHolding.Send(h.CreateClient(), "/api/people/sign-in", new { name = "the owner", password = "wrong, and long" }))
                .Status.ShouldBe(422);
        }

        var text = string.Concat(Directory.GetFiles(folder).Select(File.ReadAllText));
        var lines = text.Split('\n', StringSplitOptions.RemoveEmptyEntries).Select(l => JsonNode.Parse(l)!.AsObject())
            .Where(l => l.ContainsKey("Pattern")).ToList();
        var peg = lines.Single(l => (string?)l["Pattern"] == "/api/look/pegs/{id:int}");
        ((string?)peg["Method"], (int?)peg["Status"], (string?)peg["Role"]).ShouldBe(("GET", 200, "Hand"));
        foreach (var word in new[] { "Wren", "a hare", TestHolding.Password, "wrong, and long", "pegs/3", "127.0.0.1", "the owner" })
        {
            text.ShouldNotContain(word);
        }

        Directory.Delete(folder, true);
    }

    [Fact]
    public void What_lies_in_deploy_sets_only_what_the_server_reads()
    {
        var root = HouseShapeTests.Top;
        var source = string.Concat(Directory.EnumerateFiles(Path.Combine(root, "src", "MudPie.Server"), "*.cs", SearchOption.AllDirectories)
            .Select(File.ReadAllText));
        var set = Directory.GetFiles(Path.Combine(root, "deploy")).SelectMany(f => Regex.Matches(File.ReadAllText(f), @"Holding:(\w+)="))
            .Select(m => m.Groups[1].Value).Distinct().ToList();
        set.Count.ShouldBeGreaterThan(4);
        set.ShouldAllBe(name => source.Contains($"Holding:{name}\"") || source.Contains($"[\"{name}\"]")
            || source.Contains($"(\"{name}\""));
    }
}
