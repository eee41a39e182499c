using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;
using MudPie.Records;

namespace MudPie.Server.Tests;

/// <summary>The holding's dated copies: made at night, looked at, put back.</summary>
public sealed class CopyTests
{
    private static readonly (string, string)[] ByNight = [("Holding:Copies", "true")];

    private static JsonArray Of(JsonNode copies, string kind) =>
        [.. copies["copies"]!.AsArray().Where(c => (string?)c!["kind"] == kind).Select(c => c!.DeepClone())];

    private static async Task<JsonNode> Until(TestHolding h, Func<JsonNode, bool> so)
    {
        for (; ; await Task.Delay(20))
        {
            var copies = await h.Get("/api/copies");
            if (so(copies))
            {
                return copies;
            }
        }
    }

    private static async Task<List<string>> Today(TestHolding h) =>
        [.. (await h.Get("/api/today"))["items"]!.AsArray().Select(i => $"{i!["title"]}: {i["detail"]}")];

    private static async Task<double> Oxygen(TestHolding h, int batch) =>
        (await h.Get($"/api/brew/batches/{batch}"))["log"]!.AsArray().Count(l => (string?)l!["kind"] == "oxygen");

    private static Task<JsonNode> Measure(TestHolding h, int batch, double mgPerL) =>
        h.Post($"/api/brew/batches/{batch}/log", new { kind = "oxygen", value = $"{mgPerL}" });

    [Fact]
    public async Task A_holding_that_was_packed_is_brought_in_before_anything_is_set_up_and_never_over_one()
    {
        using var full = new TestHolding(demo: true);
        var zip = await full.Http.GetByteArrayAsync("/api/book/holding.zip", TestContext.Current.CancellationToken);
        using var fresh = new TestHolding();
        async Task<(int Status, JsonNode Reply)> Bring(TestHolding to, byte[] bytes)
        {
            using var body = new ByteArrayContent(bytes) { Headers = { ContentType = new("application/zip") } };
            using var request = new HttpRequestMessage(HttpMethod.Post, "/api/copies/zip") { Content = body };
            request.Headers.Add("Idempotency-Key", Guid.NewGuid().ToString());
            using var reply = await to.Http.SendAsync(request, TestContext.Current.CancellationToken);
            return ((int)reply.StatusCode, JsonNode.Parse(await reply.Content.ReadAsStringAsync(TestContext.Current.CancellationToken))!);
        }

        var (status, wrong) = await Bring(fresh, zip[..(zip.Length / 2)]);
        (status, (string)wrong["fields"]![0]!["field"]!).ShouldBe((422, "zip"), wrong.ToJsonString());
        (await fresh.Get("/api/holding"))["setUp"]!.GetValue<bool>().ShouldBeFalse("nothing was changed");
        (await Bring(fresh, zip)).Status.ShouldBe(200);
        (await fresh.Get("/api/brew/batches")).ToJsonString().ShouldBe((await full.Get("/api/brew/batches")).ToJsonString());
        (await fresh.Http.GetByteArrayAsync("/api/book/holding.zip", TestContext.Current.CancellationToken)).Length
            .ShouldBeInRange(zip.Length - 2000, zip.Length + 2000);
        (await Bring(fresh, zip)).Status.ShouldBe(422, "there is one now");
        Directory.GetFiles(Path.GetDirectoryName(fresh.FilePath)!, Path.GetFileName(fresh.FilePath) + ".*.part*").ShouldBeEmpty();
    }

    [Fact]
    public async Task Each_night_a_copy_is_made_and_checked_and_an_old_one_is_spoken_of()
    {
        using var h = new TestHolding(demo: true, settings: ByNight);
        await Until(h, c => Of(c, "night").Count == 1);
        h.Clock.Advance(TimeSpan.FromDays(1));
        var two = await Until(h, c => Of(c, "night").Count == 2);
        ((string?)two["says"]).ShouldBe("The last copy is of today.");
        ((string?)Of(two, "night")[0]!["name"]).ShouldBe("holding-2026-06-11.mudpie");
        HoldingFileState.IsWhole(Path.Combine(DatedCopies.Folder(h.FilePath), "holding-2026-06-11.mudpie")).ShouldBeTrue();
        (await Today(h)).ShouldNotContain(i => i.Contains("copy"));
        var folder = DatedCopies.Folder(h.FilePath);
        Directory.Move(folder, folder + "-away");
        File.WriteAllText(folder, "something else of that name");
        for (var night = 0; night < 4; night++)
        {
            h.Clock.Advance(TimeSpan.FromDays(1));
        }

        await Until(h, c => c["beside"]!["trouble"] is not null);
        (await Today(h)).ShouldContain(i => i.StartsWith("There is no copy of the holding: ", StringComparison.Ordinal));
        File.Delete(folder);
        Directory.Move(folder + "-away", folder);
        h.Clock.Advance(TimeSpan.FromSeconds(11)); // Today is remembered for ten
        (await Today(h)).ShouldContain(i => i.StartsWith("The last copy is 4 days old: ", StringComparison.Ordinal));
        h.Clock.Advance(TimeSpan.FromMinutes(5));
        await Until(h, c => (int?)c["beside"]!["ageDays"] == 0 && c["beside"]!["trouble"] is null);
        (await Today(h)).ShouldNotContain(i => i.Contains("copy"));
    }

    [Theory]
    [InlineData(100_000_000, 250_000_000, true)]
    [InlineData(100_000_000, 249_999_999, false)]
    [InlineData(0, 49_999_999, false)]
    public void No_copy_takes_the_room_that_the_holding_needs(long bytes, long free, bool fits) =>
        DatedCopies.Fits(bytes, free).ShouldBe(fits);

    [Fact]
    public async Task A_second_place_that_is_away_is_said_and_filled_when_it_is_back()
    {
        var stick = Path.Combine(Directory.CreateTempSubdirectory("mudpie-stick-").FullName, "stick");
        using var h = new TestHolding(demo: true, settings: [.. ByNight, ("Holding:Second", stick)]);
        var away = await Until(h, c => Of(c, "night").Count == 1 && c["second"]!["trouble"] is not null);
        ((string)away["second"]!["trouble"]!).ShouldContain("Put the stick in");
        (await h.Refused("/api/copies", new { }))["second"].ShouldContain("beside the holding, but none at the second place");
        (await Today(h)).ShouldContain(i => i.StartsWith("The second place has no new copy: ", StringComparison.Ordinal));
        Directory.CreateDirectory(stick);
        h.Clock.Advance(TimeSpan.FromMinutes(5));
        await Until(h, c => c["copies"]!.AsArray().Any(x => (bool)x!["second"]!) && c["second"]!["trouble"] is null);
        (await Today(h)).ShouldNotContain(i => i.Contains("second place"));
        Directory.Delete(Path.GetDirectoryName(stick)!, true);
    }

    [Fact]
    public async Task A_copy_is_put_back_while_others_look_and_what_was_there_is_kept()
    {
        using var h = new TestHolding(demo: true);
        await h.Owned();
        using var struck = await h.Joined("hand", "Wren");
        await Measure(h, 14, 6.9);
        var copied = Of(await h.Post("/api/copies", new { }), "byHand")[0]!;
        var before = await Oxygen(h, 14);
        await Measure(h, 14, 6.1);
        await Measure(h, 14, 5.9);
        var phone = (await h.Get("/api/people"))["people"]!.AsArray().Single(p => (string?)p!["name"] == "Wren")!["devices"]![0]!["id"];
        await h.Post($"/api/people/devices/{phone}/strike", new { });
        var name = (string)copied["name"]!;
        ((int)(await h.Get($"/api/copies/means?name={name}"))["writes"]!).ShouldBe(2);
        using var over = new CancellationTokenSource();
        var looking = Enumerable.Range(0, 3).Select(_ => Task.Run(async () =>
        {
            List<double> seen = [];
            do
            {
                seen.Add(await Oxygen(h, 14));
            }
            while (!over.IsCancellationRequested);
            return seen;
        })).ToList();
        var kept = (string)(await h.Post("/api/copies/restore", new { name }))["kept"]!;
        await over.CancelAsync();
        (await Task.WhenAll(looking)).SelectMany(s => s).ShouldAllBe(n => n == before || n == before + 2);
        (await Oxygen(h, 14)).ShouldBe(before);
        using var answer = await struck.GetAsync("/api/today");
        ((int)answer.StatusCode).ShouldBe(401, "struck off after the copy, and still");
        ((string)(await h.Get("/api/people"))["happened"]![0]!["says"]!).ShouldStartWith("A copy was put back: ");
        await Measure(h, 14, 6.4); // and it goes on
        await h.Post("/api/copies/restore", new { name = kept }); // the way back from the way back
        (await Oxygen(h, 14)).ShouldBe(before + 2);
        HoldingFileState.IsWhole(h.FilePath).ShouldBeTrue();
    }

    [Fact]
    public async Task What_is_no_copy_of_this_holding_is_not_put_back()
    {
        using var h = new TestHolding(demo: true);
        using var other = new TestHolding();
        await other.Post("/api/holding/setup", TestHolding.SetUp);
        var folder = DatedCopies.Folder(h.FilePath);
        DatedCopies.Make(other.FilePath, folder, new(2026, 6, 1));
        File.WriteAllText(Path.Combine(folder, "holding-2026-06-02.mudpie"), new string('x', 9000));
        DatedCopies.Make(h.FilePath, folder, new(2026, 6, 3));
        Bite(Path.Combine(folder, "holding-2026-06-03.mudpie"));
        foreach (var (name, says) in new[] { ("holding-2026-06-01.mudpie", "another holding"),
            ("holding-2026-06-02.mudpie", "can't be read"),
            ("holding-2026-06-03.mudpie", "damaged"), ("holding-2026-05-01.mudpie", "no copy of that name"),
            ("../holding.mudpie", "no copy of that name") })
        {
            (await h.Refused("/api/copies/restore", new { name }))["name"].ShouldContain(says, customMessage: name);
        }

        (await Oxygen(h, 14)).ShouldBeGreaterThan(0);
    }

    [Fact]
    public async Task An_older_file_s_copy_is_brought_up_to_date_as_it_is_put_back()
    {
        using var h = new TestHolding(ReleasedFileTests.Unpacked("1-first.mudpie.gz"));
        var name = (string)Of(await h.Get("/api/copies"), "beforeVersion")[0]!["name"]!;
        await h.Post("/api/copies/restore", new { name });
        (await h.Get("/api/today"))["items"].ShouldNotBeNull();
        HoldingFileState.Of(h.FilePath).ShouldSatisfyAllConditions(s => s.Trouble.ShouldBeNull(), s => s.Pending.ShouldBeEmpty());
    }

    [Fact]
    public void A_damaged_file_is_not_opened_and_the_last_sound_copy_is_named()
    {
        var file = Path.Combine(Directory.CreateTempSubdirectory("mudpie-bitten-").FullName, "holding.mudpie");
        using (var h = new TestHolding(demo: true))
        {
            HoldingCopies.Copy(h.FilePath, file);
        }

        var folder = DatedCopies.Folder(file);
        DatedCopies.Make(file, folder, new(2026, 6, 9));
        var newest = DatedCopies.Make(file, folder, new(2026, 6, 10)).Path;
        File.SetLastWriteTimeUtc(newest, DateTime.UtcNow.AddMinutes(1));
        Bite(newest);
        Bite(file);
        var says = Should.Throw<HoldingFileException>(() => HoldingFile.Prepare(file)).Message;
        says.ShouldContain("is damaged");
        says.ShouldContain($"\"{Path.Combine(folder, "holding-2026-06-09.mudpie")}\"", customMessage: "the newest is bitten too");
        File.Delete(file);
        Should.Throw<HoldingFileException>(() => HoldingFile.Prepare(file)).Message.ShouldContain("a copy of it lies beside");
        File.Exists(file).ShouldBeFalse("no empty one is made");
    }

    [Fact]
    public async Task A_restore_by_the_command_leaves_who_was_struck_off_outside()
    {
        using var h = new TestHolding(demo: true);
        await h.Owned();
        using var struck = await h.Joined("hand", "Wren");
        var copy = DatedCopies.Make(h.FilePath, DatedCopies.Folder(h.FilePath), new(2026, 6, 10)).Path;
        var phone = (await h.Get("/api/people"))["people"]!.AsArray().Single(p => (string?)p!["name"] == "Wren")!["devices"]![0]!["id"];
        await h.Post($"/api/people/devices/{phone}/strike", new { });
        var elsewhere = Path.Combine(Directory.CreateTempSubdirectory("mudpie-elsewhere-").FullName, "holding.mudpie");
        HoldingCopies.Copy(h.FilePath, elsewhere);
        BackupCommand.Restore([copy, elsewhere], TextWriter.Null, TextWriter.Null).ShouldBe(0);
        using var file = new SqliteConnection($"Data Source={elsewhere};Pooling=False");
        file.Open();
        using var ask = file.CreateCommand();
        ask.CommandText = "SELECT count(*) FROM People_Devices WHERE StruckAt IS NOT NULL";
        ask.ExecuteScalar().ShouldBe(1L);
    }

    /// <summary>Takes a bite out of a file, where its weather lies.</summary>
    private static void Bite(string file)
    {
        long page;
        using (var look = new SqliteConnection($"Data Source={file};Pooling=False"))
        {
            look.Open();
            using var ask = look.CreateCommand();
            ask.CommandText = "SELECT rootpage FROM sqlite_master WHERE type = 'table' AND name = 'Weather'";
            page = (long)ask.ExecuteScalar()!;
        }

        using var stream = File.OpenWrite(file);
        stream.Position = (page - 1) * 4096;
        stream.Write(new byte[4096]);
    }
}
