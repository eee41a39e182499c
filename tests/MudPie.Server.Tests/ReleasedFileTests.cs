using System.IO.Compression;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Schema;
using System.Text.RegularExpressions;
using Microsoft.Data.Sqlite;
using MudPie.Records;

namespace MudPie.Server.Tests;

/// <summary>Files that a version has written are opened by every later one, with everything in them as it was said.</summary>
/// <remarks>Each release lays its own demo file and what its screens said of it into Released/: <c>MUDPIE_RELEASE=2</c> and this test write
/// them.</remarks>
public class ReleasedFileTests
{
    private static string Folder => Path.Combine(ArchitectureTests.Root(), "tests", "MudPie.Server.Tests", "Released");

    /// <summary>What screens say of brews, forecasts, trials, uses, shelf and ground.</summary>
    private static IEnumerable<string> Screens() =>
        new[]
        {
            "ground", "shelf", "put-out", "put-out/programmes", "put-out/sprayers", "put-out/mixing", "book", "book/book.json",
            "book/waits", "book/season", "today", "brew/batches", "brew/sources", "brew/ground-checks",
            "brew/recipes", "brew/tallies", "brew/cleaning", "brew/looking-back", "brew/water/tests", "brew/water/strips", "judge/brix",
            "judge/meters", "judge/trials", "judge/across", "judge/patches",
        }.Concat(Enumerable.Range(1, 16).SelectMany(i => new[]
        {
            $"brew/batches/{i}", $"brew/batches/{i}/log", $"judge/brix/bed/{i}", $"put-out/asked/{i}", $"brew/air/{i}",
            $"brew/recipes/v:{i}/file", $"judge/trials/{i}", $"judge/trials/{i}/sheet", $"judge/trials/{i}/answer",
            $"judge/trials/{i}/amounts",
        })).Select(page => "/api/" + page);

    internal static byte[] Unpacked(string name)
    {
        using var from = new GZipStream(File.OpenRead(Path.Combine(Folder, name)), CompressionMode.Decompress);
        using var to = new MemoryStream();
        from.CopyTo(to);
        return to.ToArray();
    }

    private static async Task<JsonObject> Said(TestHolding h)
    {
        var said = new JsonObject();
        foreach (var page in Screens())
        {
            using var reply = await h.Http.GetAsync(page);
            if (reply.IsSuccessStatusCode)
            {
                said[page] = JsonNode.Parse(await reply.Content.ReadAsStringAsync());
            }
        }

        return said;
    }

    public static TheoryData<string> Releases =>
        [.. Directory.GetFiles(Folder, "*.mudpie.gz").Select(f => Path.GetFileName(f)[..^".mudpie.gz".Length])];

    [Theory]
    [MemberData(nameof(Releases))]
    public async Task A_file_of_an_earlier_version_says_what_it_said(string release)
    {
        var was = JsonNode.Parse(Unpacked(release + ".says.json.gz"))!.AsObject();
        using var h = new TestHolding(Unpacked(release + ".mudpie.gz"));
        var now = await Said(h);
        foreach (var (page, answer) in was)
        {
            Same(answer, now[page], page);
        }

        was.Count.ShouldBeGreaterThan(80);
    }

    /// <summary>Words that were said wrongly, or in two ways, and how they are said since. What is not listed stays as it was.</summary>
    private static readonly (string Then, string Since)[] Mended =
    [
        ("1 oxygen readings", "1 oxygen reading"), ("1 smells,", "1 smell,"), ("1 looks at", "1 look at"), ("1 hours of", "1 hour of"),
        ("2000 mL a hectare", "2 L a hectare"), ("1000 mL a hectare", "1 L a hectare"), // as the shelf says them
    ];

    /// <summary>Everything that was said then is said now; more may be said beside it.</summary>
    private static void Same(JsonNode? was, JsonNode? now, string where)
    {
        switch (was, now)
        {
            case (JsonObject a, JsonObject b):
                foreach (var (name, value) in a)
                {
                    Same(value, b[name], $"{where}.{name}");
                }

                break;
            case (null, _):
                break; // what was not said then may be said now
            case (_, null) when where.EndsWith(".life", StringComparison.Ordinal):
                break; // one kind of check by itself says no more whether ground is poor, middling or living: three do
            case (JsonValue a, JsonValue) when where.EndsWith(".says", StringComparison.Ordinal)
                && a.ToString().Contains("less for ground that its checks call", StringComparison.Ordinal):
                break; // nor is a dose stepped down by it
            case (JsonArray a, JsonArray b) when where == "/api/shelf.kinds": // the house's own table: it may grow
                foreach (var kind in a)
                {
                    Same(kind, b.Single(k => (string)k!["kind"]! == (string)kind!["kind"]!), $"{where}.{kind!["kind"]}");
                }

                break;
            case (JsonArray a, JsonArray b):
                b.Count.ShouldBe(a.Count, where);
                for (var i = 0; i < a.Count; i++)
                {
                    Same(a[i], b[i], $"{where}[{i}]");
                }

                break;
            case (JsonValue a, JsonValue b) when a.GetValueKind() == JsonValueKind.Number && b.GetValueKind() == JsonValueKind.Number:
                ((double)b).ShouldBe((double)a, Math.Abs((double)a) * 1e-9, where);
                break;
            default:
                (now?.ToJsonString()).ShouldBe(Mended.Aggregate(was?.ToJsonString(), (said, m) =>
                    said is null ? null : Regex.Replace(said, $"(?<![0-9]){m.Then}", m.Since)), where);
                break;
        }
    }

    [Fact]
    public async Task A_release_lays_its_own_file_beside_the_earlier_ones()
    {
        if (Environment.GetEnvironmentVariable("MUDPIE_RELEASE") is not { } name)
        {
            Releases.Count.ShouldBeGreaterThan(0);
            return;
        }

        using var h = new TestHolding(demo: true);
        await h.Post("/api/book/seen", new { bedId = 6, text = "first swallow" });
        object Job(string[] seen) => new {
            items = new[] { new { inputId = 6, rate = "20 ml", basis = "perLitre" } }, bedIds = new[] { 6 },
            rate = "500 L/ha", purpose = "root", tool = "10 L watering can", tank = "10 L", who = "brewer", cautionsSeen = seen
        };
        await h.Post("/api/put-out/tank",
            Job([.. (await h.Post("/api/put-out/tank/work-out", Job([])))["cautions"]!.AsArray().Select(c => (string)c!["id"]!)]));
        var copy = h.FilePath + ".release";
        HoldingCopies.Copy(h.FilePath, copy);
        Pack($"{name}.mudpie.gz", await File.ReadAllBytesAsync(copy));
        Pack($"{name}.says.json.gz", System.Text.Encoding.UTF8.GetBytes((await Said(h)).ToJsonString()));
    }

    private static void Pack(string name, byte[] what)
    {
        using var to = new GZipStream(File.Create(Path.Combine(Folder, name)), CompressionLevel.SmallestSize);
        to.Write(what);
    }

    [Fact]
    public void A_form_that_changes_its_shape_needs_a_new_version()
    {
        var shapes = new JsonObject(Forms.All.OrderBy(f => f.Value.Name, StringComparer.Ordinal)
            .Select(f => KeyValuePair.Create<string, JsonNode?>($"{f.Value.Name}/{f.Value.Version}",
                Forms.Json.GetJsonSchemaAsNode(f.Key))));
        var path = Path.Combine(Folder, "forms.json");
        var known = File.Exists(path) ? JsonNode.Parse(File.ReadAllText(path))!.AsObject() : [];
        if (Environment.GetEnvironmentVariable("MUDPIE_RELEASE") is not null)
        {
            foreach (var (form, shape) in shapes)
            {
                known.TryAdd(form, shape?.DeepClone()); // never another shape under a version that files have
            }

            File.WriteAllText(path, known.ToJsonString(new JsonSerializerOptions { WriteIndented = true }) + "\n");
        }

        foreach (var (form, shape) in shapes)
        {
            shape!.ToJsonString().ShouldBe(known[form]?.ToJsonString(),
                $"{form}: raise its version in Forms, say how an older one is read, and write it with MUDPIE_RELEASE");
        }
    }

    [Fact]
    public void An_older_file_is_brought_to_the_shape_that_new_files_have()
    {
        var folder = Directory.CreateTempSubdirectory("mudpie-shape-").FullName;
        var (older, fresh) = (Path.Combine(folder, "older.mudpie"), Path.Combine(folder, "fresh.mudpie"));
        File.WriteAllBytes(older, Unpacked("0-before-the-first.mudpie.gz"));
        HoldingFile.Prepare(older).ShouldNotBeNull("the older file is kept beside it");
        HoldingFile.Prepare(fresh).ShouldBeNull();
        Columns(older).ShouldBe(Columns(fresh));
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, true);
    }

    private static List<string> Columns(string file)
    {
        using var connection = new SqliteConnection($"Data Source={file}");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = "SELECT m.name || '.' || c.name FROM sqlite_master m, pragma_table_info(m.name) c WHERE m.type = 'table' "
            + "AND m.name NOT LIKE '\\_\\_%' ESCAPE '\\' UNION SELECT name FROM sqlite_master WHERE type = 'index' ORDER BY 1";
        using var reader = command.ExecuteReader();
        var all = new List<string>();
        while (reader.Read())
        {
            all.Add(reader.GetString(0));
        }

        return all;
    }

    [Fact]
    public void A_file_older_than_any_release_and_one_of_a_later_version_are_left_as_they_are_and_told_apart()
    {
        var folder = Directory.CreateTempSubdirectory("mudpie-ages-").FullName;
        foreach (var (sql, says) in new[] { ("DELETE FROM __EFMigrationsHistory WHERE MigrationId LIKE '%Sturdy'",
            "older than the first release"), ("INSERT INTO __EFMigrationsHistory VALUES ('20990101000000_Later', '10')", "newer Mud Pie") })
        {
            var file = Path.Combine(folder, $"{says[..5]}.mudpie");
            File.WriteAllBytes(file, Unpacked("0-before-the-first.mudpie.gz"));
            Do(file, sql);
            var before = File.ReadAllBytes(file);
            Should.Throw<HoldingFileException>(() => HoldingFile.Prepare(file)).Message.ShouldContain(says);
            File.ReadAllBytes(file).ShouldBe(before);
        }

        Directory.Delete(folder, true);
    }

    /// <summary>The last file before the first release, with a holding in it.</summary>
    internal static void Older(string file) => File.WriteAllBytes(file, Unpacked("0-before-the-first.mudpie.gz"));

    private static void Do(string file, string sql)
    {
        using var connection = new SqliteConnection($"Data Source={file};Pooling=false");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        command.ExecuteNonQuery();
    }
}
