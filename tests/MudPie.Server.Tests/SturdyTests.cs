using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using MudPie.Records;
using MudPie.Server.Book;
using MudPie.Server.Brewing;
using MudPie.Server.Weather;
using MudPie.Server.Web;
using SkiaSharp;

namespace MudPie.Server.Tests;

/// <summary>A file always opens or says why not; what is already in it takes no page down; what comes in is cleaned once.</summary>
public class SturdyTests
{
    private static string Folder() => Directory.CreateTempSubdirectory("mudpie-sturdy-").FullName;

    private static HoldingDb Open(string file) =>
        new((DbContextOptions<HoldingDb>)new DbContextOptionsBuilder<HoldingDb>().UseHolding(file).Options);

    private static void Run(string file, string sql)
    {
        using var connection = new SqliteConnection($"Data Source={file};Pooling=False");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        command.ExecuteNonQuery();
    }

    private static (int Code, string Out, string Error) Command(Func<string[], TextWriter, TextWriter, int> what, params string[] args)
    {
        var (output, error) = (new StringWriter(), new StringWriter());
        return (what(args, output, error), output.ToString(), error.ToString());
    }

    [Fact]
    public void A_first_start_that_was_killed_at_any_point_opens_the_next_time()
    {
        var folder = Folder();
        foreach (var (name, leave) in new (string, Action<string>)[]
        {
            ("nothing", _ => { }),
            ("empty", f => File.WriteAllBytes(f, [])),
            ("lock", f =>
                Run(f, "CREATE TABLE \"__EFMigrationsLock\" (\"Id\" INTEGER PRIMARY KEY, \"Timestamp\" TEXT); INSERT INTO "
                    + "\"__EFMigrationsLock\" VALUES (1, '2026-01-01')")),
            ("history", f =>
                Run(f, "CREATE TABLE \"__EFMigrationsHistory\" (\"MigrationId\" TEXT PRIMARY KEY, \"ProductVersion\" TEXT); CREATE TABLE "
                    + "\"__EFMigrationsLock\" (\"Id\" INTEGER PRIMARY KEY, \"Timestamp\" TEXT)")),
            ("half made", f => File.WriteAllText(f + ".new", "half")),
        })
        {
            var file = Path.Combine(folder, $"{name}.mudpie");
            leave(file);
            HoldingFile.Prepare(file).ShouldBeNull(name);
            using var db = Open(file);
            db.Database.GetPendingMigrations().ShouldBeEmpty(name);
            File.Exists(file + ".new").ShouldBeFalse(name);
        }
    }

    [Fact]
    public void A_stale_lock_of_a_killed_migration_is_cleared_and_the_older_file_is_whole_until_the_new_one_is()
    {
        var file = Path.Combine(Folder(), "old.mudpie");
        ReleasedFileTests.Older(file);
        Run(file, "CREATE TABLE IF NOT EXISTS \"__EFMigrationsLock\" (\"Id\" INTEGER PRIMARY KEY, \"Timestamp\" TEXT); INSERT OR REPLACE "
            + "INTO \"__EFMigrationsLock\" VALUES (1, '2026-01-01')");
        var copy = HoldingFile.Prepare(file).ShouldNotBeNull();
        using var after = Open(file);
        after.Database.GetPendingMigrations().ShouldBeEmpty();
        after.Holdings.Single().Own.ShouldNotBe(Guid.Empty);
        File.Exists(copy).ShouldBeTrue();
    }

    [Fact]
    public void What_can_not_be_opened_says_why_and_where_the_last_copy_is()
    {
        var folder = Folder();
        string At(string name) => Path.Combine(folder, name);
        HoldingFileException Refused(string file) => Should.Throw<HoldingFileException>(() => HoldingFile.Prepare(file));
        File.WriteAllText(At("letter"), "Dear neighbour, this is no holding at all.");
        Refused(At("letter")).Trouble.Kind.ShouldBe("not ours");
        Run(At("other"), "CREATE TABLE Songs (Id INTEGER)");
        Refused(At("other")).Trouble.Kind.ShouldBe("not ours");
        HoldingFile.Prepare(At("newer"));
        Run(At("newer"), "INSERT INTO \"__EFMigrationsHistory\" VALUES ('29991231000000_Later', '99')");
        Refused(At("newer")).Trouble.Wrong.ShouldContain("newer Mud Pie");
        HoldingFile.Prepare(At("hurt"));
        HoldingCopies.Copy(At("hurt"), At("hurt.copy-1"));
        var bytes = File.ReadAllBytes(At("hurt"));
        Array.Fill<byte>(bytes, 0xFF, 4096, bytes.Length - 8192);
        File.WriteAllBytes(At("hurt"), bytes);
        Refused(At("hurt")).Message.ShouldContain("hurt.copy-1");
        File.Delete(At("hurt"));
        var missing = Refused(At("hurt"));
        (missing.Trouble.Kind, missing.Message.Contains("hurt.copy-1", StringComparison.Ordinal)).ShouldBe(("missing", true));
        File.Exists(At("hurt")).ShouldBeFalse();
        using var first = HoldingLease.Take(At("newer"));
        Should.Throw<HoldingFileException>(() => HoldingLease.Take(At("newer"))).Message.ShouldContain("Another Mud Pie");
    }

    [Fact]
    public void A_restore_is_all_or_nothing_and_says_why_not()
    {
        var folder = Folder();
        string At(string name) => Path.Combine(folder, name);
        HoldingFile.Prepare(At("copy"), db =>
        {
            db.Holdings.Add(new Records.Ground.Holding { Name = "from the copy", Zone = "UTC" });
            db.SaveChanges();
        });
        HoldingFile.Prepare(At("target"));
        var before = File.ReadAllBytes(At("target"));
        File.WriteAllText(At("letter"), new string('x', 5000));
        foreach (var (args, says) in new[]
        {
            (new[] { At("copy"), At("copy") }, "one file"), (new[] { At("copy"), "" }, "no name"),
            (new[] { At("copy"), ":memory:" }, "no name"), (new[] { At("copy"), At("no/where") }, "no folder"),
            (new[] { At("letter"), At("target") }, "no Mud Pie holding"), (new[] { At("nothing"), At("target") }, "There is no"),
            (new[] { At("copy") }, "Say which"),
        })
        {
            var (code, _, error) = Command(BackupCommand.Restore, args);
            (code, error).ShouldSatisfyAllConditions(r => r.code.ShouldBe(2), r => r.error.ShouldContain(says));
            File.ReadAllBytes(At("target")).ShouldBe(before);
        }

        using (HoldingLease.Take(At("target")))
        {
            Command(BackupCommand.Restore, At("copy"), At("target")).Error.ShouldContain("Another Mud Pie");
        }

        Command(BackupCommand.Restore, At("copy"), At("target")).Code.ShouldBe(0);
        Directory.GetFiles(folder, "target.before-restore*").Length.ShouldBe(1);
        using var db = Open(At("target"));
        db.Holdings.Single().Name.ShouldBe("from the copy");
        Command(BackupCommand.Run, At("target"), At("copy")).Error.ShouldContain("nothing was overwritten");
        Command(BackupCommand.Run, At("target"), "").Code.ShouldBe(2);
    }

    [Fact]
    public async Task What_is_already_in_a_file_takes_no_page_down()
    {
        using var h = new TestHolding(demo: true);
        Run(h.FilePath, """
            UPDATE Lots SET Expires = 253402300799000 WHERE Id = 1;
            UPDATE Sprayers SET Kind = 'catapult' WHERE Id = 1;
            UPDATE Inputs SET Kind = 'moonshine' WHERE Id = 3;
            UPDATE Givings SET Kind = 'moonshine' WHERE Id = 1;
            UPDATE Beds SET Name = upper((SELECT Name FROM Beds WHERE Id = 2)) WHERE Id = 3;
            UPDATE Beds SET ShapeJson = '{"type":"Polygon","coordinates":[]}' WHERE Id = 4;
            UPDATE Beds SET ShapeJson = 'no shape at all' WHERE Id = 5;
            INSERT OR REPLACE INTO ForkChoices (ForkId, SchoolId) VALUES ('hold', 'week'), ('food', 'banquet'), ('moon', 'full'), ('tea-or-extract', 'neither'), ('brix-line', 'sky');
            UPDATE Trials SET Places = 'null' WHERE Id = 1;
            INSERT INTO Harvests (BedId, At, RecordedAt, Crop, Kg, CorrectsId) SELECT BedId, At + 1, RecordedAt, Crop, 1, Id FROM Harvests WHERE Id = 1;
            INSERT INTO Harvests (BedId, At, RecordedAt, Crop, Kg, CorrectsId) SELECT BedId, At + 2, RecordedAt, Crop, 2, Id FROM Harvests WHERE Id = 1;
            INSERT INTO Applications (At, RecordedAt, Purpose, Dilution, OneIn, TeaL, WaterL, SpareL, Tool, TankL, Fitness, CautionsSeen, Strikes, CorrectsId) SELECT At, RecordedAt, Purpose, '', 1, 0, 0, 0, '', 0, 'none', '', 1, Id FROM Applications WHERE Id = 1;
            INSERT INTO Applications (At, RecordedAt, Purpose, Dilution, OneIn, TeaL, WaterL, SpareL, Tool, TankL, Fitness, CautionsSeen, Strikes, CorrectsId) SELECT At, RecordedAt, Purpose, '', 1, 0, 0, 0, '', 0, 'none', '', 1, Id FROM Applications WHERE Id = 1;
            """);
        var paths = (await h.Get("/openapi/v1.json"))["paths"]!.AsObject().Where(p => p.Value!.AsObject().ContainsKey("get"))
            .Select(p => p.Key).ToList();
        foreach (var path in paths.SelectMany(p =>
            new[] { "1", "14" }.Select(id => System.Text.RegularExpressions.Regex.Replace(p, @"\{[^}]+\}", id))).Distinct())
        {
            using var reply = await h.Http.GetAsync(path);
            ((int)reply.StatusCode).ShouldBeLessThan(500, path + await reply.Content.ReadAsStringAsync());
        }

        (await h.Send("/api/brew/plan", h.Plan(), null)).Status.ShouldBe(200);
        (await h.Send("/api/ground/geojson/preview",
            new { geoJson = """{"type":"FeatureCollection","features":[{"type":"Feature","properties":{"name":"x"},"geometry":{"type":"Polygon","coordinates":[]}}]}""" }, null)).Status.ShouldBe(422);
    }

    [Theory]
    [InlineData("""{"simulated":true,"hours":[null]}""")]
    [InlineData("""{"simulated":true,"hours":null}""")]
    [InlineData("""{"simulated":true,"hours":[{"at":"2026-06-10T05:00:00Z","temperatureC":1e308,"windMps":2,"rainMm":0,"cloudShare":0.5,"humidityShare":0.5}]}""")]
    [InlineData("""{"simulated":true,"hours":[{"at":"2026-06-10T05:00:00Z","temperatureC":12,"windMps":-5,"rainMm":0,"cloudShare":0.5,"humidityShare":0.5}]}""")]
    [InlineData("""{"simulated":true,"hours":[{"at":"0001-01-01T00:00:00Z","temperatureC":12,"windMps":5,"rainMm":0,"cloudShare":0.5,"humidityShare":0.5}]}""")]
    [InlineData("[]")]
    [InlineData("<html>")]
    [InlineData("")]
    public void Weather_that_can_not_be_is_refused_in_words(string reply) =>
        Should.Throw<WeatherException>(() => WeatherReader.Sound(System.Text.Encoding.UTF8.GetBytes(reply),
            new DateTimeOffset(2026, 6, 10, 5, 0, 0, TimeSpan.Zero))).Message.ShouldStartWith("It answers");

    [Theory]
    [InlineData("r 9223372036854775807 2026-06-10T05:00:00.000Z 6.4 18.0")]
    [InlineData("r 5 0001-01-01T00:00:00.000Z 6.4 18.0")]
    [InlineData("r 5 2026-01-10T05:00:00.000Z 6.4 18.0")]
    public void A_probe_s_impossible_count_or_time_is_no_reading(string line) =>
        ProbeWire.Reading(line, new DateTimeOffset(2026, 6, 10, 5, 0, 0, TimeSpan.Zero)).Reading.ShouldBeNull();

    [Fact]
    public void Any_text_goes_out_in_the_book_s_file_and_comes_back_the_same()
    {
        var chance = new Random(3);
        const string signs = "=+-@'\"\t\r\n, ;aé🌱0.5−";
        var texts = Enumerable.Range(0, 3000)
            .Select(_ => string.Concat(Enumerable.Range(0, chance.Next(7))
                .Select(_ => char.ConvertFromUtf32(signs.EnumerateRunes().ElementAt(chance.Next(signs.EnumerateRunes().Count())).Value))))
                .ToList();
        foreach (var text in texts)
        {
            var marked = SafeCells.Marked(text);
            SafeCells.Plain(marked).ShouldBe(text);
            (marked.Length > 0 && "=+@\t\r".Contains(marked[0])).ShouldBe(marked.Length > 0 && "+".Contains(marked[0])
                && double.TryParse(marked, System.Globalization.CultureInfo.InvariantCulture, out _), marked);
        }

        var rows = texts.Chunk(3).Select((t, i) => new BookRow { kind = "seen", entry = $"seen-{i}", note = t[0], what = t[^1] }).ToList();
        var back = BookCells.Csv(BookOut.Csv(rows)).Value;
        back.Select(r => (r.note, r.what)).ShouldBe(rows.Select(r => (r.note, r.what)));
    }

    [Theory]
    [InlineData("harvest,,2026-06-01T10:00:00Z,2026-06-01T10:00:00Z,Ridge Bed 1,,garlic,,,,-500,kg", "below nought")]
    [InlineData("harvest,,2099-06-01T10:00:00Z,2099-06-01T10:00:00Z,Ridge Bed 1,,garlic,,,,5,kg", "not come yet")]
    [InlineData("bed,,,,Ridge Bed 1,,,,,,,,,,,,\nsprayer,,,,,,,,catapult,,,", "not known here")]
    public async Task A_book_s_file_that_can_not_be_is_refused_by_its_line(string lines, string says)
    {
        using var h = new TestHolding(demo: true);
        var csv = "kind,entry,at,recorded_at,bed,area_m2,crop,what,what_kind,lot,amount,unit,tool\n"
            + lines.Replace("catapult,,,", "catapult,,,,a sling", StringComparison.Ordinal);
        string.Join(' ', (await h.Refused("/api/book/file", new { text = csv })).Values).ShouldContain(says);
    }

    [Fact]
    public void A_file_is_set_to_keep_a_log_before_several_open_it_at_once()
    {
        var file = Path.Combine(Folder(), "a.mudpie");
        HoldingFile.Prepare(file);
        string Mode()
        {
            using var plain = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = file, Pooling = false }.ToString());
            plain.Open();
            using var ask = plain.CreateCommand();
            ask.CommandText = "PRAGMA journal_mode";
            return (string)ask.ExecuteScalar()!;
        }

        Mode().ShouldBe("wal");
        var copy = file + ".copy";
        HoldingCopies.Copy(file, copy); // a copy is one file and nothing beside it
        File.Move(copy, file, true);
        HoldingFile.Prepare(file).ShouldBeNull();
        Mode().ShouldBe("wal");
        Directory.GetFiles(Path.GetDirectoryName(file)!).ShouldBe([file]);
    }

    [Fact]
    public async Task Eight_that_open_a_file_at_the_same_moment_are_all_served()
    {
        var folder = Folder();
        HoldingFile.Prepare(Path.Combine(folder, "made.mudpie"));
        HoldingCopies.Copy(Path.Combine(folder, "made.mudpie"), Path.Combine(folder, "plain.mudpie"));
        for (var n = 0; n < 24; n++)
        {
            var file = Path.Combine(folder, $"{n}.mudpie");
            File.Copy(Path.Combine(folder, "plain.mudpie"), file);
            if (n % 2 == 0)
            {
                HoldingFile.Prepare(file);
            }

            await Task.WhenAll(Enumerable.Range(0, 8).Select(i => Task.Run(() =>
            {
                using var db = Open(file);
                db.Observations.Add(new MudPie.Records.Book.Observation {
                    At = DateTimeOffset.UnixEpoch,
                    RecordedAt = DateTimeOffset.UnixEpoch, Text = $"hand {i}"
                });
                db.SaveChanges();
            })));
            using var all = Open(file);
            all.Observations.Count().ShouldBe(8);
        }

        SqliteConnection.ClearAllPools();
    }

    [Fact]
    public async Task A_file_is_copied_while_several_copy_it_and_one_writes()
    {
        var folder = Folder();
        var file = Path.Combine(folder, "a.mudpie");
        HoldingFile.Prepare(file);
        for (var n = 0; n < 6; n++)
        {
            await Task.WhenAll(Enumerable.Range(0, 8).Select(i => Task.Run(() =>
            {
                if (i > 0)
                {
                    HoldingCopies.Copy(file, Path.Combine(folder, $"{n}-{i}.copy"));
                    return;
                }

                using var db = Open(file);
                db.Observations.Add(new MudPie.Records.Book.Observation {
                    At = DateTimeOffset.UnixEpoch,
                    RecordedAt = DateTimeOffset.UnixEpoch, Text = $"round {n}"
                });
                db.SaveChanges();
            })));
            SqliteConnection.ClearAllPools(); // the last one to leave takes the log away: whoever comes next has to make it
        }

        Directory.GetFiles(folder, "*.copy").Length.ShouldBe(42);
    }

    [Fact]
    public void A_file_that_could_not_be_made_leaves_nothing_half_made()
    {
        var file = Path.Combine(Folder(), "a.mudpie");
        Should.Throw<IOException>(() => HoldingFile.Prepare(file, _ => throw new IOException("No space left on device", 28)));
        Directory.GetFiles(Path.GetDirectoryName(file)!).ShouldBeEmpty();
        FileTrouble.Of(new SqliteException("no room for the index of its log", 10, 4874))!.Kind.ShouldBe("full");
        FileTrouble.Of(new SqliteException("disk I/O error", 10, 266))!.Kind.ShouldBe("unreachable");
    }

    [Fact]
    public async Task A_book_typed_by_hand_needs_no_more_columns_than_it_uses()
    {
        using var h = new TestHolding(demo: true);
        var brought = await h.Post("/api/book/file",
            new { text = "kind,at,bed,amount,unit\nharvest,2026-06-01T10:00:00Z,Ridge Bed 4,3,kg" });
        ((int)brought["harvests"]!).ShouldBe(1, brought.ToJsonString());
        string.Join(' ',
            (await h.Refused("/api/book/file", new { text = "kind,at,bed,amount,unit\nharvest,yesterday,Ridge Bed 4,3,kg" })).Values)
            .ShouldContain("at: “yesterday” is no time");
        string.Join(' ',
            (await h.Refused("/api/book/file", new { text = $"kind,at,note\nseen,2026-06-01T10:00:00Z,{new string('x', 9000)}" })).Values)
            .ShouldContain("more than 4,000 characters");
    }

    [Fact]
    public async Task What_was_meant_for_another_holding_is_not_kept_in_this_one()
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        var own = (string)(await h.Get("/api/holding"))["own"]!;
        async Task<int> See(string meant, string text)
        {
            using var request = new HttpRequestMessage(HttpMethod.Post, "/api/book/seen") {
                Content =
                new StringContent($$"""{"text":"{{text}}"}""", System.Text.Encoding.UTF8, "application/json")
            };
            request.Headers.Add("Idempotency-Key", Guid.NewGuid().ToString());
            request.Headers.Add("Mudpie-Holding", meant);
            using var reply = await h.Http.SendAsync(request);
            return (int)reply.StatusCode;
        }

        (await See(Guid.NewGuid().ToString(), "a hare next door")).ShouldBe(409);
        (await See(own, "a hare here")).ShouldBe(200);
        (await h.Http.GetStringAsync("/api/book/book.csv")).ShouldSatisfyAllConditions(b => b.ShouldContain("a hare here"),
            b => b.ShouldNotContain("next door"));
    }

    [Theory]
    [InlineData("/api/book?page=abc", "page", "“abc” could not be read")]
    [InlineData("/api/put-out/windows?hours=x", "hours", "“x” could not be read")]
    public async Task A_part_of_an_address_that_can_not_be_read_is_named(string path, string field, string says)
    {
        using var h = new TestHolding(demo: true);
        using var reply = await h.Http.GetAsync(path);
        reply.StatusCode.ShouldBe(System.Net.HttpStatusCode.BadRequest);
        ((string)JsonNode.Parse(await reply.Content.ReadAsStringAsync())!["errors"]![field]![0]!).ShouldContain(says);
    }

    [Fact] // it said that GET should send JSON
    public async Task A_number_that_is_none_in_an_address_leads_to_nothing_and_asks_for_no_other_kind()
    {
        using var h = new TestHolding(demo: true);
        using var reply = await h.Http.GetAsync("/api/brew/batches/abc");
        reply.StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound);
        (await reply.Content.ReadAsStringAsync()).ShouldContain("There is nothing at that address.");
    }

    [Theory] // each broke a page once
    [InlineData("/api/amounts/read", """{"text":"5 L","dimension":2147483647}""", "dimension", "volume")]
    [InlineData("/api/holding/units", """{"units":"furlongs"}""", "units", "Use metric, usCustomary, metricUsGallons or")]
    [InlineData("/api/ground/geojson",
        """{"geoJson":"{\"type\":\"FeatureCollection\",\"features\":[{\"type\":\"Feature\",\"id\":2147483648,\"properties\":{\"name\":1e300},\"geometry\":{\"type\":2147483648,\"coordinates\":[]}}]}"}""", "geoJson", "no GeoJSON")]
    [InlineData("/api/ground/geojson",
        """{"geoJson":"{\"type\":\"FeatureCollection\",\"features\":[{\"type\":\"Feature\",\"properties\":{\"name\":\"x\\u200b\"},\"geometry\":{\"type\":\"Polygon\",\"coordinates\":[[[0,52],[0.001,52],[0.001,52.001],[0,52]]]}}]}"}""", "features[0]", "can't be seen (U+200B)")]
    public async Task What_does_not_fit_is_said_with_what_would(string path, string body, string field, string says)
    {
        using var h = new TestHolding(demo: true);
        var (status, reply) = await h.Send(path, body, Guid.NewGuid().ToString());
        status.ShouldBeOneOf(400, 422);
        var wrong = reply["fields"]!.AsArray().Single(f => (string)f!["field"]! == field)!;
        $"{wrong["wrong"]} {wrong["wayOut"]}".ShouldContain(says);
    }

    [Theory]
    [InlineData("null")]
    [InlineData("[1]")]
    [InlineData("{\"trial\":[]}")]
    public void A_trial_s_zip_that_describes_something_else_is_refused(string package)
    {
        using var made = new MemoryStream();
        using (var zip = new System.IO.Compression.ZipArchive(made, System.IO.Compression.ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (name, text) in new[] { ("datapackage.json", package), ("data.csv", "plot"), ("plots.csv", "plot") })
            {
                using var writer = new StreamWriter(zip.CreateEntry(name).Open());
                writer.Write(text);
            }
        }

        new Judging.TrialFileIn(DateTimeOffset.UnixEpoch).Zip(made.ToArray()).Refused.ShouldNotBeNull();
    }

    [Fact]
    public void A_picture_is_turned_upright_measured_before_it_is_decoded_and_refused_where_it_breaks_off()
    {
        using var bitmap = new SKBitmap(200, 100);
        bitmap.Erase(SKColors.Green);
        using var image = SKImage.FromBitmap(bitmap);
        var png = image.Encode(SKEncodedImageFormat.Png, 90).ToArray();
        Pictures.Encode(png).Jpeg.ShouldNotBeNull();
        Pictures.Encode(png[..(png.Length / 2)]).Wrong.ShouldNotBeNull();
        byte[] huge = [.. png];
        new byte[] { 0, 0, 0x2E, 0xE0, 0, 0, 0x2E, 0xE0 }.CopyTo(huge, 16); // 12,000 × 12,000 in its header alone
        Pictures.Encode(huge).Jpeg.ShouldBeNull();
        var jpeg = image.Encode(SKEncodedImageFormat.Jpeg, 90).ToArray();
        // orientation 6: held on its side
        byte[] exif = [0xFF, 0xE1, 0, 34, .. "Exif\0\0"u8, .. "MM"u8, 0, 42, 0, 0, 0, 8, 0, 1, 1, 0x12, 0, 3, 0, 0, 0, 1, 0, 6, 0, 0,
            0, 0, 0, 0];
        byte[] aside = [.. jpeg[..2], .. exif, .. jpeg[2..]];
        using var upright = SKBitmap.Decode(Pictures.Encode(aside).Jpeg);
        (upright.Width, upright.Height).ShouldBe((100, 200));
        using var phone = new SKBitmap(new SKImageInfo(8160, 6120, SKColorType.Gray8));
        using var large = SKImage.FromBitmap(phone);
        using var sent = SKBitmap.Decode(Pictures.Encode(large.Encode(SKEncodedImageFormat.Jpeg, 60).ToArray()).Jpeg);
        (sent.Width, sent.Height).ShouldBe((1600, 1200), "50 million pixels, as a phone takes them");
    }

    [Fact]
    public void A_clock_on_the_wall_means_one_moment_none_or_two()
    {
        var local = HoldingClock.In("Europe/London");
        LocalTimes.Of(new DateTime(2026, 3, 29, 1, 30, 0), local).ShouldBeEmpty();
        LocalTimes.Of(new DateTime(2026, 10, 25, 1, 30, 0), local).Select(m => m.UtcDateTime.Hour).ShouldBe([0, 1]);
        var now = new DateTimeOffset(2026, 10, 25, 2, 10, 0, TimeSpan.Zero); // 02:10 GMT, after the clocks went back
        // still summer time then
        LocalTimes.Last(new TimeOnly(0, 15), now, local)!.Value.UtcDateTime.ShouldBe(new DateTime(2026, 10, 24, 23, 15, 0));
        LocalTimes.Last(new TimeOnly(1, 30), now, local)!.Value.UtcDateTime.ShouldBe(new DateTime(2026, 10, 25, 1, 30, 0));
        LocalTimes.Last(new TimeOnly(1, 30), new DateTimeOffset(2026, 3, 29, 5, 0, 0, TimeSpan.Zero), local).ShouldBeNull();
        var far = HoldingClock.In("Pacific/Kiritimati");
        LocalTimes.Of(new DateTime(2026, 6, 10, 0, 15, 0), far).Single().Offset.ShouldBe(TimeSpan.FromHours(14));
    }

    [Fact]
    public async Task A_logger_of_twenty_thousand_rows_is_kept_whole_shown_thin_and_paged()
    {
        using var h = new TestHolding();
        var id = await h.Started();
        h.Clock.Advance(TimeSpan.FromHours(24));
        var start = h.Now.AddHours(-23);
        var csv = "time,mg/L\n" + string.Join('\n', Enumerable.Range(0, 19_000)
            .Select(i => $"{start.AddSeconds(4 * i):yyyy-MM-ddTHH:mm:ssZ},{7 + Math.Sin(i / 900.0):0.00}"));
        ((int)(await h.Post($"/api/brew/batches/{id}/logger", new { csv }))["readings"]!).ShouldBe(19_000);
        var batch = await h.Get($"/api/brew/batches/{id}");
        batch["log"]!.AsArray().Count(l => (string)l!["source"]! == "logger").ShouldBeInRange(100, 310);
        ((string)batch["logSays"]!).ShouldStartWith("19,000 figures");
        var page = await h.Get($"/api/brew/batches/{id}/log?page=2");
        ((int)page["entries"]!, page["log"]!.AsArray().Count).ShouldBe(((int)page["entries"]!, 500));
        ((int)page["entries"]!).ShouldBeGreaterThanOrEqualTo(19_000);
    }

    [Fact]
    public async Task Two_people_who_change_one_thing_are_told_with_both()
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        var ground = await h.Get("/api/ground");
        foreach (var (list, body) in new (string, Func<JsonNode, int, object>)[]
        {
            ("waters", (w, i) => new { id = (int)w["id"]!, version = w["version"], name = $"water {i}", kind = "mains",
                chloramine = false }),
            ("vessels", (v, i) => new { id = (int)v["id"]!, version = v["version"], name = $"vessel {i}", shape = "bucket", total = "20 L",
                depth = "28 cm" }),
            ("pumps", (p, i) => new { id = (int)p["id"]!, version = p["version"], name = $"pump {i}", openFlow = "6 L/min",
                shutOff = "20 kPa" }),
            ("diffusers", (d, i) => new { id = (int)d["id"]!, version = d["version"], name = $"diffuser {i}", kind = "airStone" }),
            ("inputs", (d, i) => new { id = (int)d["id"]!, version = d["version"], name = $"input {i}", kind = "compost" }),
        })
        {
            var thing = ground[list]![0]!;
            await h.Post($"/api/ground/{list}", body(thing, 1));
            var (status, reply) = await h.Send($"/api/ground/{list}", body(thing, 2), null);
            status.ShouldBe(409, list);
            var name = reply["both"]!.AsArray().Single(b => (string)b!["field"]! == "name")!;
            ((string)name["yours"]!, (string)name["theirs"]!).ShouldBe(($"{list[..^1]} 2", $"{list[..^1]} 1"));
        }

        var pump = (await h.Get("/api/ground"))["pumps"]![0]!;
        object Pump(string flow) => new {
            id = (int)pump["id"]!, version = pump["version"], name = "pump 1", openFlow = flow,
            shutOff = "20 kPa"
        };
        await h.Post("/api/ground/pumps", Pump("9 L/min"));
        ((string)(await h.Send("/api/ground/pumps", Pump("7 L/min"), null)).Reply["detail"]!).ShouldContain(
            "Its open flow is now “9 L/min”, you had “7 L/min”.");
    }

    [Theory]
    [InlineData("""{"text":"a\u0000b"}""", "text")]
    [InlineData("""{"text":"\u0007 bell"}""", "text")]
    public async Task Signs_that_can_not_be_seen_are_refused(string body, string field)
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        (await h.Refused("/api/book/seen", body)).Keys.ShouldBe([field]);
    }

    [Fact]
    public async Task A_name_is_kept_as_it_was_typed_and_without_signs_of_no_width()
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        await h.Post("/api/ground/beds", new { name = "Caf\u00e9 bed", area = "10 m2", crop = "kale", growing = "annual" });
        (await h.Get("/api/ground"))["beds"]!.AsArray().Select(b => (string)b!["name"]!).ShouldContain("Caf\u00e9 bed");
        (await h.Refused("/api/ground/beds", new { name = "kale\u200b", area = "10 m2", crop = "kale", growing = "annual" })).Keys
            .ShouldBe(["name"]);
        (await h.Refused("/api/ground/beds", new { name = "CAF\u00c9 BED", area = "10 m2", crop = "kale", growing = "annual" })).Keys
            .ShouldBe(["name"]);
    }

    [Fact]
    public async Task A_tangled_dilution_is_answered_at_once()
    {
        using var h = new TestHolding();
        (await h.Refused("/api/calc/dilution", new { parts = "1" + new string(' ', 300) + "x", totalL = 5 })).Keys.ShouldBe(["parts"]);
        (await h.Refused("/api/calc/dilution", new { parts = "1" + new string(' ', 4000) + "x", totalL = 5 }))["parts"].ShouldContain(
            "400 characters");
    }
}
