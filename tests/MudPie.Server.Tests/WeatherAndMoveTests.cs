using System.Globalization;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Hosting;
using MudPie.StandIns;

namespace MudPie.Server.Tests;

/// <summary>Weather from a file or the simulated service; brews slid along the day line; notes; programmes.</summary>
public sealed class WeatherAndMoveTests
{
    private static string Csv(DateTimeOffset from, int hours, string head = "time,°C,wind m/s,rain mm", Func<int, string>? row = null) =>
        head + "\n" + string.Join('\n', Enumerable.Range(0, hours)
            .Select(h => string.Create(CultureInfo.InvariantCulture,
                $"{from.AddHours(h).UtcDateTime:yyyy-MM-dd'T'HH:mm:ss'Z'},{row?.Invoke(h) ?? "15,2,0"}")));

    [Fact]
    public async Task A_weather_file_scores_the_windows_and_a_storm_in_it_spoils_them()
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        ((int)(await h.Get("/api/put-out/windows"))["value"]!["hoursWithoutWeather"]!).ShouldBe(72);
        (await h.Post("/api/weather/file", new { csv = Csv(h.Now.AddHours(-2), 90) }))["id"]!.GetValue<int>().ShouldBe(90);
        var fair = (await h.Get("/api/put-out/windows"))["value"]!;
        ((int)fair["hoursWithoutWeather"]!).ShouldBe(0);
        fair["windows"]!.AsArray().Count.ShouldBeGreaterThan(3);
        (await h.Get("/api/weather"))["says"]!.GetValue<string>().ShouldBe("From your file.");
        await h.Post("/api/weather/file",
            new { csv = Csv(h.Now.AddHours(-2), 90, "time;°C;wind km/h;rain mm".Replace(';', ','), _ => "15,50,0") });
        (await h.Get("/api/put-out/windows"))["value"]!["windows"]!.AsArray().ShouldBeEmpty();
        (await h.Get("/api/put-out/windows?purpose=root"))["value"]!["windows"]!.AsArray().ShouldBeEmpty(); // 50 km/h is 13.9 m/s
    }

    [Theory]
    [InlineData("")]
    [InlineData("time,°C\n2026-06-10 06:00,15")]
    [InlineData("time,°C,wind m/s,rain mm\nsoon,15,2,0")]
    [InlineData("time,°C,wind m/s,rain mm\n2026-06-10 06:00,hot,2,0")]
    [InlineData("time,°C,wind m/s,rain mm\n2026-06-10 06:00,15,-2,0")]
    [InlineData("time,°C,wind m/s,rain mm\n2026-06-10 06:00,15,2,900")]
    [InlineData("time,°C,wind m/s,rain mm")]
    public async Task A_weather_file_with_a_fault_is_refused_whole(string csv)
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        (await h.Refused("/api/weather/file", new { csv }))["csv"].ShouldNotBeEmpty();
        (await h.Get("/api/weather"))["hoursAhead"]!.GetValue<int>().ShouldBe(0);
    }

    [Fact]
    public void Simulated_weather_follows_from_place_and_date_alone_and_has_seasons()
    {
        var sky = new SimulatedWeather(1);
        var from = new DateTimeOffset(2026, 1, 1, 0, 0, 0, TimeSpan.Zero);
        var one = sky.Hours(52.5, 0, from.AddHours(5), 40);
        var two = sky.Hours(52.5, 0, from, 100).Skip(5).Take(40);
        one.ShouldBe(two); // whenever it is asked
        sky.Hours(52.5, 0.5, from, 40).ShouldNotBe(sky.Hours(52.5, 0, from, 40));
        double Mean(double latitude, int day) =>
            Enumerable.Range(0, 12).Average(i => sky.Hours(latitude, 0, from.AddDays(day + (i * 2.5)), 24).Average(w => w.TemperatureC));
        Mean(52.5, 185).ShouldBeGreaterThan(Mean(52.5, 5) + 6);
        Mean(-40, 5).ShouldBeGreaterThan(Mean(-40, 185) + 4); // the seasons of the south
        var year = Enumerable.Range(0, 24).SelectMany(i => sky.Hours(52.5, 0, from.AddDays(i * 15), 360)).ToList();
        year.ShouldAllBe(w => w.WindMps >= 0 && w.WindMps < 30 && w.RainMm >= 0 && w.RainMm < 40 && w.TemperatureC > -25
            && w.TemperatureC < 45 && w.CloudShare >= 0 && w.CloudShare <= 1);
        year.Count(w => w.RainMm > 0).ShouldBeInRange(year.Count / 50, year.Count / 4);
        year.Sum(w => w.RainMm).ShouldBeInRange(150, 2500);
    }

    [Fact]
    public void A_fair_evening_is_fair()
    {
        var now = new DateTimeOffset(2026, 6, 10, 9, 0, 0, TimeSpan.Zero);
        new SimulatedWeather(3, now).Hours(52.5, 0, now.AddHours(6), 10).ShouldAllBe(w => w.RainMm == 0 && w.WindMps > 1 && w.WindMps < 4
            && w.TemperatureC < 28);
    }

    [Fact]
    public async Task The_server_reads_the_service_keeps_what_it_knew_when_it_is_gone_and_marks_it_simulated()
    {
        var builder = Microsoft.AspNetCore.Builder.WebApplication.CreateSlimBuilder(["--Logging:LogLevel:Default=None"]);
        builder.WebHost.UseUrls("http://127.0.0.1:0");
        await using var sky = builder.Build();
        var weather = new SimulatedWeather();
        Microsoft.AspNetCore.Builder.EndpointRouteBuilderExtensions.MapGet(sky, "/hours",
            (double latitude, double longitude, DateTimeOffset from, int hours) =>
                new { simulated = true, hours = weather.Hours(latitude, longitude, from, hours) });
        await sky.StartAsync();
        using var h = new TestHolding(demo: true, background: true, weatherUrl: sky.Urls.First());
        for (var i = 0; i < 3_600 && (int)(await h.Get("/api/weather"))["hoursAhead"]! == 0; i++)
        {
            await Task.Delay(50);
        }

        var known = await h.Get("/api/weather");
        ((int)known["hoursAhead"]!).ShouldBeGreaterThan(90);
        ((bool)known["simulated"]!).ShouldBeTrue();
        ((string)known["says"]!).ShouldContain("not a forecast");
        await sky.StopAsync();
        ((int)(await h.Get("/api/weather"))["hoursAhead"]!).ShouldBe((int)known["hoursAhead"]!);
        // A file of the grower's own is not overwritten by it.
        await h.Post("/api/weather/file", new { csv = Csv(h.Now, 10, row: _ => "15,9,0") });
        ((bool)(await h.Get("/api/weather"))["fromFile"]!).ShouldBeTrue();
    }

    [Fact]
    public async Task A_planned_brew_slides_whole_and_can_not_slide_into_the_past()
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        var id = (int)(await h.Post("/api/brew/batches", h.Plan()))["id"]!;
        var before = await h.Get($"/api/brew/batches/{id}");
        DateTimeOffset At(JsonNode b, string what) => b[what]!.GetValue<DateTimeOffset>();
        var useAt = At(before, "useAt").AddHours(6);
        var look = await h.Post($"/api/brew/batches/{id}/move/work-out", new { useAt });
        At(look, "start").ShouldBe(At(before, "plannedStart").AddHours(6));
        At(await h.Get($"/api/brew/batches/{id}"), "useAt").ShouldBe(At(before, "useAt")); // only looked at
        await h.Post($"/api/brew/batches/{id}/move", new { useAt, version = look["version"] });
        // a way back names what it goes back from
        (await h.Refused($"/api/brew/batches/{id}/move", new { useAt, version = (string?)null })).Keys.ShouldBe(["version"]);
        var after = await h.Get($"/api/brew/batches/{id}");
        (At(after, "useAt"), At(after, "plannedStart")).ShouldBe((useAt, At(before, "plannedStart").AddHours(6)));
        after["steps"]!.AsArray().Zip(before["steps"]!.AsArray(), (a, b) => At(a!, "at") - At(b!, "at"))
            .ShouldAllBe(d => d == TimeSpan.FromHours(6));
        (await h.Refused($"/api/brew/batches/{id}/move", new { useAt = h.Now.AddHours(2) }))["useAt"].ShouldContain("The earliest is");
        (await h.Refused($"/api/brew/batches/{id}/move", new { useAt = h.Now.AddDays(40) }))["useAt"].ShouldContain("two weeks");
        (await h.Refused($"/api/brew/batches/{id}/move", new { })).Keys.ShouldBe(["useAt"]);
        (await h.Refused("/api/brew/batches/999/move", new { useAt })).Keys.ShouldBe(["id"]);
    }

    [Fact]
    public async Task Of_a_brew_that_is_going_only_its_end_slides_and_past_the_cap_is_said()
    {
        using var h = new TestHolding();
        var id = await h.Started();
        h.Clock.Advance(TimeSpan.FromHours(3));
        var before = await h.Get($"/api/brew/batches/{id}");
        var use = before["useAt"]!.GetValue<DateTimeOffset>();
        var look = await h.Post($"/api/brew/batches/{id}/move/work-out", new { useAt = use.AddHours(30) });
        ((string)look["verdict"]!["tone"]!).ShouldBe("stop");
        await h.Post($"/api/brew/batches/{id}/move", new { useAt = use.AddHours(2), version = look["version"] });
        var after = await h.Get($"/api/brew/batches/{id}");
        after["useAt"]!.GetValue<DateTimeOffset>().ShouldBe(use.AddHours(2));
        after["startedAt"]!.GetValue<DateTimeOffset>().ShouldBe(before["startedAt"]!.GetValue<DateTimeOffset>());
        (await h.Refused($"/api/brew/batches/{id}/move", new { useAt = h.Now.AddHours(-1) }))["useAt"].ShouldContain("already");
        var stale = (await h.Get("/api/day-line"))["brews"]![0]!["version"]!.GetValue<Guid>();
        await h.Post($"/api/brew/batches/{id}/move", new { useAt = use.AddHours(1), version = stale });
        // the other window had moved it
        (await h.Send($"/api/brew/batches/{id}/move", new { useAt = use.AddHours(3), version = stale }, null)).Status.ShouldBe(409);
    }

    [Fact]
    public async Task Notes_are_shown_before_they_are_written_and_written_where_they_belong()
    {
        using var h = new TestHolding(demo: true);
        async Task<JsonNode> Keep(string text, int? targetId = null, string[]? seen = null) =>
            await h.Post("/api/notes", new { text, targetId, cautionsSeen = seen });
        var before = (await h.Get("/api/brew/batches/14"))["log"]!.AsArray().Count;
        await h.Post("/api/notes/read", new { text = "o2 6.7 drum" });
        (await h.Get("/api/brew/batches/14"))["log"]!.AsArray().Count.ShouldBe(before); // only read
        ((string)(await Keep("o2 6.7 drum"))["link"]!).ShouldBe("/brew/14");
        await Keep("smells earthy barrel");
        await Keep("temp 66 f barrel");
        (await h.Get("/api/brew/batches/14"))["log"]!.AsArray().Count.ShouldBe(before + 3);
        (await h.Refused("/api/notes", new { text = "o2 7 cone" }))["text"].ShouldContain("Nothing is going in the Cone");
        (await h.Refused("/api/notes", new { text = "brix 9.1 8.8 fennel top" }))["targetId"].ShouldContain("Ridge Bed 4");
        (await h.Refused("/api/notes", new { text = "brix 9.1 ridge bed 4 55 c" }))["text"].ShouldContain("correction table");
        await Keep("brix 9.1 8.8 9.4 fennel top 18 c", 5);
        (await h.Get("/api/judge/brix"))["beds"]!.AsArray()
            .Single(b => (string)b!["bed"]! == "Ridge Bed 4")!["visits"]!.AsArray().Count.ShouldBeGreaterThan(0);
        (await h.Refused("/api/notes", new { text = "used 30 ml kelp on ridge bed 4" })).Keys.ShouldBe(["cautionsSeen"]);
        (await h.Refused("/api/notes", new {
            text = "used 300 L kelp on ridge bed 4",
            cautionsSeen = new[] { "spraying", "run-off" }
        }))["text"].ShouldContain("short of what this takes");
        await Keep("used 30 ml kelp on ridge bed 4", null, ["spraying", "run-off"]);
        ((string)(await h.Get("/api/book?kind=job&bed=5"))["entries"]![0]!["title"]!).ShouldBe("kelp liquid on roots");
        var minds = (await h.Post("/api/notes/read", new { text = "picked 3 kg ridge bed 4" }))["minds"]!.AsArray();
        ((string)minds[0]!).ShouldContain("waits until");
        await Keep("picked 3 kg ridge bed 4");
        await Keep("note the hedge is in flower");
        ((string)(await h.Get("/api/book?kind=seen"))["entries"]![0]!["title"]!).ShouldBe("the hedge is in flower");
        await Keep("strip 0 rain");
        (await h.Refused("/api/notes/read", new { text = "blah" }))["text"].ShouldContain("not understood");
    }

    [Fact]
    public async Task A_giving_is_moved_looked_at_anew_done_once_and_then_stays()
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        var input = (int)(await h.Post("/api/shelf/inputs", new { name = "liquid seaweed", kind = "seaweed" }))["id"]!;
        var start = DateOnly.FromDateTime(h.Now.UtcDateTime);
        var id = (int)(await h.Post("/api/put-out/programmes", new { bedId = 1, start, harvest = start.AddDays(100) }))["id"]!;
        await h.Post($"/api/put-out/programmes/{id}/propose", new { kind = "seaweed" });
        await h.Post($"/api/put-out/programmes/{id}/propose", new { kind = "seaweed" }); // twice lays nothing twice
        async Task<JsonNode> Programme() => (await h.Get("/api/put-out/programmes"))["programmes"]![0]!;
        var givings = (await Programme())["givings"]!.AsArray();
        givings.Count.ShouldBe(3); // fennel is a bulb: 0, 28 and 56; from 59 of its 100 days it is late
        ((string)givings[0]!["purpose"]!, (string)givings[1]!["purpose"]!).ShouldBe(("root", "leaf")); // no leaves on sowing day
        (await Programme())["misses"]!.AsArray().ShouldBeEmpty();
        var giving = givings[1]!;
        await h.Post($"/api/put-out/givings/{giving["id"]}/move", new { on = start.AddDays(90), version = giving["version"] });
        (await Programme())["misses"]!.AsArray().Count.ShouldBeGreaterThan(0);
        (await h.Send($"/api/put-out/givings/{giving["id"]}/move", new { on = start.AddDays(30), version = giving["version"] },
            null)).Status.ShouldBe(409);
        (await h.Refused($"/api/put-out/givings/{giving["id"]}/move", new { on = start.AddDays(900) })).Keys.ShouldBe(["version", "on"]);
        object Job(string[] seen) =>
            new {
                purpose = "leaf", bedIds = new[] { 1 }, rate = "300",
                items = new[] { new { inputId = input, rate = "1:316", basis = "oneIn" } }, tool = "can", tank = "10 L",
                cautionsSeen = seen, givingId = (int)givings[0]!["id"]!
            };
        var seen = (await h.Post("/api/put-out/tank/work-out", Job([])))["cautions"]!.AsArray().Select(c => (string)c!["id"]!).ToArray();
        await h.Post("/api/put-out/tank", Job(seen));
        ((bool)(await Programme())["givings"]![0]!["done"]!).ShouldBeTrue();
        (await h.Refused($"/api/put-out/givings/{givings[0]!["id"]}/move", new { on = start.AddDays(5) }))["on"].ShouldContain(
            "done already");
        (await h.Refused($"/api/put-out/givings/{givings[0]!["id"]}/drop", new { })).Keys.ShouldBe(["id"]);
        await h.Post($"/api/put-out/givings/{giving["id"]}/drop", new { });
        (await Programme())["givings"]!.AsArray().Count.ShouldBe(2);
    }

    [Fact]
    public async Task An_inoculant_is_dosed_by_what_lives_in_its_lot_and_through_an_injector()
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        var bare = new {
            name = "cells", kind = "livingInoculant",
            species = new[] { new { name = "one", count = "6e7" }, new { name = "two", count = "40 million" } }, labelRate = "10 ml",
            labelBasis = "per100m2", labelEveryDays = "14", price = "40"
        };
        (await h.Refused("/api/shelf/inputs", bare))["labelPer"].ShouldContain("per mL or per g");
        var id = (int)(await h.Post("/api/shelf/inputs", new {
            bare.name, bare.kind, bare.species, bare.labelRate, bare.labelBasis,
            bare.labelEveryDays, bare.price, labelPer = "mL"
        }))["id"]!;
        await h.Post($"/api/shelf/inputs/{id}/lots", new {
            mark = "B", origin = "bought", amount = "1 L", from = h.Now.AddDays(-90),
            kept = "20 C"
        });
        var dose = await h.Post("/api/put-out/dose/work-out", new {
            inputId = id, target = "1 million", per = "litre", count = "500",
            ratio = "1:100", feed = "500 L", flow = "10 L/min", withFeeds = true, warmth = "24 C", everyDays = "28"
        });
        ((double)dose["viableShare"]!).ShouldBe(0.5, 1e-9);
        ((double)dose["dose"]!["value"]!["amount"]!).ShouldBe(10, 1e-9); // 5e8 ÷ (1e8 × ½)
        ((double)dose["dose"]!["value"]!["costPer1E9"]!).ShouldBe(0.8, 1e-9);
        ((double)dose["injector"]!["value"]!["stockL"]!).ShouldBe(5, 1e-9);
        ((double)dose["injector"]!["value"]!["productPerL"]!).ShouldBe(2, 1e-9);
        ((string)dose["tank"]!["value"]!["sentence"]!).ShouldBe("Use the tank within 24 h.");
        ((double)dose["course"]!["value"]!["share"]!).ShouldBe(0.25, 1e-9); // half alive, half as often
        (await h.Refused("/api/put-out/dose/work-out", new { inputId = id, target = "many", per = "litre", count = "500" })).Keys
            .ShouldBe(["target"]);
        (await h.Refused("/api/put-out/dose/work-out", new { inputId = 1, target = "1e6", per = "litre", count = "500" })).Keys
            .ShouldBe(["inputId"]);
    }
}
