using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using MudPie.Records;

namespace MudPie.Server.Tests;

/// <summary>What was acknowledged survives; what was sent twice is done once; an older file is copied first.</summary>
public class SafetyTests
{
    [Fact]
    public async Task A_repeated_request_with_the_same_key_writes_once_and_answers_the_same()
    {
        using var h = new TestHolding();
        var id = await h.Started();
        var path = $"/api/brew/batches/{id}/log";
        var body = new { kind = "oxygen", value = "7.2" };
        var first = await h.Post(path, body, "key-of-one-reading");
        var together = await Task.WhenAll(Enumerable.Range(0, 6).Select(_ => h.Post(path, body, "key-of-one-reading")));

        together.ShouldAllBe(r => r.ToJsonString() == first.ToJsonString());
        (await h.Get($"/api/brew/batches/{id}"))["log"]!.AsArray().Count(l => (string)l!["kind"]! == "oxygen").ShouldBe(1);
        var (status, reply) = await h.Send($"/api/brew/batches/{id}/air-off", new { }, "key-of-one-reading");
        status.ShouldBe(409);
        ((string)reply["title"]!).ShouldContain("used for another");
        ((string)reply["detail"]!).ShouldContain("not kept");
    }

    [Fact]
    public async Task A_key_is_remembered_for_ninety_days_and_then_forgotten()
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        var said = new { text = "first frost on the ridge" };
        var first = await h.Post("/api/book/seen", said, "key-of-one-sighting");
        h.Clock.Advance(Web.Writes.KeptFor - TimeSpan.FromHours(1));
        await h.Post("/api/book/seen", new { text = "the day before it is forgotten" });
        (await h.Post("/api/book/seen", said, "key-of-one-sighting")).ToJsonString().ShouldBe(first.ToJsonString());
        h.Clock.Advance(TimeSpan.FromDays(2));
        using var later = new TestHolding(h); // pruned once a day: a server begun anew looks at its first write
        await later.Post("/api/book/seen", new { text = "the day after" });
        using var db = new HoldingDb((DbContextOptions<HoldingDb>)new DbContextOptionsBuilder<HoldingDb>().UseHolding(later.FilePath).Options);
        (await db.Acknowledgements.Where(a => a.Key == "key-of-one-sighting").CountAsync(TestContext.Current.CancellationToken)).ShouldBe(0);
        (await db.Observations.CountAsync(TestContext.Current.CancellationToken)).ShouldBe(3);
    }

    [Fact]
    public async Task A_write_without_a_key_is_refused()
    {
        using var h = new TestHolding();
        using var response = await h.Http.PostAsJsonAsync("/api/holding/setup", TestHolding.SetUp);
        response.StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await response.Content.ReadAsStringAsync()).ShouldContain("Idempotency-Key");
    }

    [Fact]
    public async Task A_kill_in_the_middle_of_logging_loses_nothing_that_was_acknowledged()
    {
        var folder = Directory.CreateTempSubdirectory("mudpie-kill-").FullName;
        var file = Path.Combine(folder, "holding.mudpie");
        try
        {
            var acknowledged = new List<string>();
            using (var server = await Serve(file))
            {
                using var http = new HttpClient { BaseAddress = server.Address };
                await Send(http, "/api/holding/setup", TestHolding.SetUp);
                var plan = await Send(http, "/api/brew/batches", new { bedIds = new[] { 1 }, purpose = "leaf", useAt = DateTimeOffset.UtcNow.AddHours(50), warmthC = 18 });
                var id = (int)plan["id"]!;
                await Send(http, $"/api/brew/batches/{id}/start", new { strip = "0" });
                var killed = false;
                var writers = Enumerable.Range(0, 4).Select(w => Task.Run(async () =>
                {
                    for (var i = 0; i < 400 && !Volatile.Read(ref killed); i++)
                    {
                        try
                        {
                            var note = $"note {w}-{i}";
                            await Send(http, $"/api/brew/batches/{id}/log", new { kind = "note", value = note });
                            lock (acknowledged)
                            {
                                acknowledged.Add(note);
                            }
                        }
                        catch (Exception e) when (e is HttpRequestException or IOException)
                        {
                            return;
                        }
                    }
                })).ToArray();
                for (var i = 0; i < 7_200 && acknowledged.Count < 25; i++)
                {
                    await Task.Delay(25);
                }

                server.Process.Kill(); // SIGKILL: no chance to tidy up
                killed = true;
                await Task.WhenAll(writers);
            }

            acknowledged.Count.ShouldBeGreaterThan(10);
            using var again = await Serve(file);
            using var reader = new HttpClient { BaseAddress = again.Address };
            var notes = JsonNode.Parse(await reader.GetStringAsync("/api/brew/batches/1"))!["log"]!.AsArray().Where(l => (string)l!["kind"]! == "note").Select(l => (string)l!["text"]!).ToList();
            acknowledged.Except(notes).ShouldBeEmpty();
            notes.Distinct().Count().ShouldBe(notes.Count);
        }
        finally
        {
            Directory.Delete(folder, true);
        }
    }

    [Fact]
    public async Task A_file_of_an_older_version_is_copied_before_it_is_brought_up_to_date()
    {
        var folder = Directory.CreateTempSubdirectory("mudpie-old-").FullName;
        var file = Path.Combine(folder, "old.mudpie");
        HoldingDb Open() => new((DbContextOptions<HoldingDb>)new DbContextOptionsBuilder<HoldingDb>().UseHolding(file).Options);
        using (var db = Open())
        {
            // The file as the version before this one left it, with something in it.
            await db.GetService<Microsoft.EntityFrameworkCore.Migrations.IMigrator>().MigrateAsync("First");
            foreach (var sql in new[]
            {
                "INSERT INTO Holdings (Name, Latitude, Longitude, AltitudeM, Zone, Units, IsDemo, CreatedAt) VALUES ('Saltmarsh End', 52.5, 0, 6, 'Europe/London', 'Metric', 0, 0)",
                "INSERT INTO Vessels (Name, Shape, TotalL, WorkingL, DepthM) VALUES ('the Blue Bucket', 'bucket', 20, 17, 0.28)",
                "INSERT INTO Pumps (Name, OpenLpm, ShutOffKPa) VALUES ('pump', 6, 20)",
                "INSERT INTO Diffusers (Name, Kind) VALUES ('stone', 'airStone')",
                "INSERT INTO Waters (Name, Kind, Chloramine) VALUES ('mains', 'mains', 0)",
                "INSERT INTO Strips (WaterSourceId, At, MgPerL) VALUES (1, 5000, 0.6)",
                "INSERT INTO Batches (Name, State, Making, Purpose, VesselId, PumpId, DiffuserId, WaterSourceId, BrewJson, StepsJson, BrewL, BrewHours, PlannedStart, UseAt, IsDemo, Version) VALUES ('tea', 'Brewing', 'tea', 'leaf', 1, 1, 1, 1, '{}', '[]', 17, 24, 0, 0, 0, '00000000-0000-0000-0000-000000000001')",
                "INSERT INTO Photos (BatchId, Jpeg) VALUES (1, x'ffd8')",
                "INSERT INTO Log (BatchId, Kind, At, RecordedAt, Number, Source, PhotoId) VALUES (1, 'Oxygen', 1, 1, 7.3, 'hand', 1)",
            })
            {
                await db.Database.ExecuteSqlRawAsync(sql.Replace("{}", "{{}}", StringComparison.Ordinal));
            }
        }

        using (var db = Open())
        {
            var copy = HoldingFile.Prepare(file).ShouldNotBeNull();
            File.Exists(copy).ShouldBeTrue();
            db.Database.GetPendingMigrations().ShouldBeEmpty();
            var holding = db.Holdings.Single();
            (holding.Name, holding.WatchNoReadingH, holding.WatchGraceMinutes, holding.WatchExpectedShare).ShouldBe(("Saltmarsh End", 4, 30, 0.5));
            var log = db.Log.Single();
            (log.Number, log.PhotoId).ShouldBe((7.3, 1));
            db.Photos.Single().BatchId.ShouldBe(1);
            db.Strips.Single().PhotoId.ShouldBeNull();
            db.Vessels.Single().AirJson.ShouldBeNull();
        }

        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, true);
    }

    [Fact]
    public async Task What_the_brewhouse_version_put_out_keeps_its_beds_and_gets_its_purpose_from_its_batch()
    {
        var folder = Directory.CreateTempSubdirectory("mudpie-old-").FullName;
        var file = Path.Combine(folder, "old.mudpie");
        HoldingDb Open() => new((DbContextOptions<HoldingDb>)new DbContextOptionsBuilder<HoldingDb>().UseHolding(file).Options);
        using (var db = Open())
        {
            await db.GetService<Microsoft.EntityFrameworkCore.Migrations.IMigrator>().MigrateAsync("Brewhouse");
            foreach (var sql in new[]
            {
                "INSERT INTO Holdings (Name, Latitude, Longitude, AltitudeM, Zone, Units, WatchNoReadingH, WatchGraceMinutes, WatchExpectedShare, IsDemo, CreatedAt) VALUES ('Saltmarsh End', 52.5, 0, 6, 'Europe/London', 'Metric', 4, 30, 0.5, 0, 0)",
                "INSERT INTO Vessels (Name, Shape, TotalL, WorkingL, DepthM) VALUES ('the Blue Bucket', 'bucket', 20, 17, 0.28)",
                "INSERT INTO Pumps (Name, OpenLpm, ShutOffKPa) VALUES ('pump', 6, 20)",
                "INSERT INTO Diffusers (Name, Kind) VALUES ('stone', 'airStone')",
                "INSERT INTO Waters (Name, Kind, Chloramine) VALUES ('mains', 'mains', 0)",
                "INSERT INTO Beds (Name, AreaM2, AreaTyped, Crop, Growing, Version) VALUES ('Ridge Bed 4', 36, '36 m2', 'fennel', 'annual', '00000000-0000-0000-0000-000000000001')",
                "INSERT INTO Inputs (Name, Kind, Lot, Price) VALUES ('leaf-mould compost', 'compost', 'LM-1', 0.2)",
                "INSERT INTO Batches (Name, State, Making, Purpose, VesselId, PumpId, DiffuserId, WaterSourceId, BrewJson, StepsJson, BrewL, BrewHours, PlannedStart, UseAt, IsDemo, Version, SourceInputId) VALUES ('drench', 'Used', 'extract', 'root', 1, 1, 1, 1, '{}', '[]', 17, 0.5, 0, 0, 0, '00000000-0000-0000-0000-000000000001', 1)",
                "INSERT INTO Applications (BatchId, At, RecordedAt, Dilution, OneIn, TeaL, WaterL, Tool, TankL, Fitness, OverrideWhy, CautionsSeen) VALUES (1, 5000, 6000, '1:1', 2, 10, 10, 'can', 10, 'unseen', NULL, 'spraying')",
                "INSERT INTO ApplicationBed (ApplicationId, BedId, TeaL, TotalL) VALUES (1, 1, 10, 20)",
                "INSERT INTO BrixVisits (BedId, ApplicationId, At, RecordedAt, LeafPosition, Sky, MeterCorrects, IsDemo) VALUES (1, 1, 7000, 7000, 'top', 'clear', 1, 0)",
            })
            {
                await db.Database.ExecuteSqlRawAsync(sql.Replace("{}", "{{}}", StringComparison.Ordinal));
            }
        }

        using (var db = Open())
        {
            HoldingFile.Prepare(file).ShouldNotBeNull();
            var job = db.Applications.Include(a => a.Beds).ThenInclude(b => b.Bed).Include(a => a.Items).Single();
            (job.Purpose, job.BatchId, job.TeaL, job.CautionsSeen, job.Strikes, job.Items.Count).ShouldBe((Purpose.Root, 1, 10, "spraying", false, 0));
            (job.Beds.Single().TotalL, job.Beds.Single().Bed.Eaten).ShouldBe((20, Core.Book.Eaten.Touches));
            db.BrixVisits.Single().ApplicationId.ShouldBe(1);
            (db.Inputs.Single().Price, db.Inputs.Single().Unit).ShouldBe((0.2, null));
        }

        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, true);
    }

    [Fact]
    public async Task What_the_shelf_version_read_on_leaves_is_still_there_and_can_be_judged()
    {
        var folder = Directory.CreateTempSubdirectory("mudpie-old-").FullName;
        var file = Path.Combine(folder, "old.mudpie");
        HoldingDb Open() => new((DbContextOptions<HoldingDb>)new DbContextOptionsBuilder<HoldingDb>().UseHolding(file).Options);
        using (var db = Open())
        {
            await db.GetService<Microsoft.EntityFrameworkCore.Migrations.IMigrator>().MigrateAsync("JobPurpose");
            foreach (var sql in new[]
            {
                "INSERT INTO Holdings (Name, Latitude, Longitude, AltitudeM, Zone, Units, WatchNoReadingH, WatchGraceMinutes, WatchExpectedShare, IsDemo, CreatedAt) VALUES ('Saltmarsh End', 52.5, 0, 6, 'Europe/London', 'Metric', 4, 30, 0.5, 0, 0)",
                "INSERT INTO Beds (Name, AreaM2, AreaTyped, Crop, Growing, EatenRaw, Version) VALUES ('Ridge Bed 4', 36, '36 m2', 'fennel', 'annual', 1, '00000000-0000-0000-0000-000000000001')",
                "INSERT INTO BrixVisits (BedId, At, RecordedAt, LeafPosition, Sky, MeterCorrects, TemperatureC, IsDemo) VALUES (1, 7000, 7000, 'top', 'clear', 0, 18, 0)",
                "INSERT INTO BrixReading (BrixVisitId, AsRead, At20) VALUES (1, 8.4, 8.27)",
                "INSERT INTO Harvests (BedId, At, RecordedAt, Crop, Kg) VALUES (1, 9000, 9000, 'fennel', 12.5)",
            })
            {
                await db.Database.ExecuteSqlRawAsync(sql);
            }
        }

        using (var db = Open())
        {
            HoldingFile.Prepare(file).ShouldNotBeNull();
            db.Database.GetPendingMigrations().ShouldBeEmpty();
            var visit = db.BrixVisits.Include(v => v.Readings).Single();
            (visit.Readings.Single().At20, visit.Dry, visit.Weed, visit.PairWithId, visit.SamePlants).ShouldBe((8.27, 0, null, null, false));
            db.Harvests.Single().Kg.ShouldBe(12.5);
            (db.Trials.Count(), db.PatchTests.Count(), db.BrixMeters.Count()).ShouldBe((0, 0, 0));
            db.BrixMeters.Add(new Records.Judging.BrixMeter { Name = "a meter", Kind = "optical" });
            db.SaveChanges();
            visit.MeterId = db.BrixMeters.Single().Id;
            db.SaveChanges();
        }

        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, true);
    }

    [Fact]
    public async Task The_demo_never_overwrites_a_real_holding_and_a_backup_is_whole()
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        Should.Throw<HoldingFileException>(() => HoldingFile.PrepareDemo(h.FilePath, _ => throw new InvalidOperationException("nothing may be made"))).Message.ShouldContain("real holding");

        var copy = h.FilePath + ".copy";
        BackupCommand.Run([h.FilePath, copy], TextWriter.Null, TextWriter.Null).ShouldBe(0);
        BackupCommand.Run([h.FilePath, copy], TextWriter.Null, TextWriter.Null).ShouldBe(2);
        using var db = new HoldingDb((DbContextOptions<HoldingDb>)new DbContextOptionsBuilder<HoldingDb>().UseHolding(copy).Options);
        db.Holdings.Single().Name.ShouldBe("Saltmarsh End");
        db.Database.SqlQueryRaw<string>("SELECT journal_mode AS Value FROM pragma_journal_mode").Single().ShouldBe("wal");
        db.Database.SqlQueryRaw<long>("SELECT synchronous AS Value FROM pragma_synchronous").Single().ShouldBe(2);
        db.Database.SqlQueryRaw<long>("SELECT foreign_keys AS Value FROM pragma_foreign_keys").Single().ShouldBe(1);
    }

    [Fact]
    public async Task Strangers_are_kept_out_by_host_and_by_policy()
    {
        using var h = new TestHolding();
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/holding") { Headers = { Host = "evil.example" } };
        (await h.Http.SendAsync(request)).StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        using var page = await h.Http.GetAsync("/api/holding");
        var policy = page.Headers.GetValues("Content-Security-Policy").Single();
        policy.ShouldContain("script-src 'self'");
        policy.ShouldNotContain("script-src 'self' 'unsafe-inline'");
    }

    private sealed record Running(Process Process, Uri Address) : IDisposable
    {
        public void Dispose()
        {
            if (!Process.HasExited)
            {
                Process.Kill();
            }

            Process.WaitForExit();
            Process.Dispose();
        }
    }

    private static async Task<Running> Serve(string file)
    {
        var dll = typeof(App).Assembly.Location;
        var port = FreePort();
        var start = new ProcessStartInfo("dotnet", [dll, $"--Holding:File={file}", $"--Holding:Port={port}", "--Logging:LogLevel:Default=Error"]) { RedirectStandardOutput = true, RedirectStandardError = true, WorkingDirectory = Path.GetDirectoryName(dll) };
        var process = Process.Start(start)!;
        var address = new Uri($"http://127.0.0.1:{port}");
        using var http = new HttpClient { BaseAddress = address };
        for (var i = 0; i < 1_800 && !process.HasExited; i++)
        {
            try
            {
                await http.GetStringAsync("/api/holding");
                return new Running(process, address);
            }
            catch (HttpRequestException)
            {
                await Task.Delay(100);
            }
        }

        throw new InvalidOperationException("The server did not start: " + await process.StandardError.ReadToEndAsync());
    }

    private static int FreePort()
    {
        using var listener = new System.Net.Sockets.TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }

    private static async Task<JsonNode> Send(HttpClient http, string path, object body)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, path) { Content = JsonContent.Create(body) };
        request.Headers.Add("Idempotency-Key", Guid.NewGuid().ToString());
        using var response = await http.SendAsync(request);
        var text = await response.Content.ReadAsStringAsync();
        response.IsSuccessStatusCode.ShouldBeTrue(text);
        return JsonNode.Parse(text)!;
    }
}
