namespace MudPie.Server.Tests;

/// <summary>Begun with little said; written its own way; begun now; again and again; a year in a line; a trial drawn while it is
/// planned.</summary>
public class OwnWayTests
{
    /// <summary>What a bag dunked in a bucket needs, and no more.</summary>
    private static object Dunk => new {
        place = "", zone = "America/Chicago", units = "usCustomary", monthFirst = true, hours12 = true, bedName = "Porch pots",
        area = "40 sq ft", shape = "bucket", total = "5 gal", waterKind = "mains", strip = "",
    };

    private static object Now => new { bedIds = new[] { 1 }, purpose = "root", making = "extract", startNow = true, warmthC = 18 };

    private static string S(System.Text.Json.Nodes.JsonNode? node) => node!.ToJsonString();

    [Fact]
    public async Task A_dunked_extract_in_a_bucket_begins_with_nothing_said_of_sun_air_or_height()
    {
        using var h = new TestHolding();
        S((await h.Post("/api/holding/setup/work-out", Dunk))["says"]!["place"]).ShouldContain("The sun is off");
        await h.Post("/api/holding/setup", Dunk);
        var holding = await h.Get("/api/holding");
        ((bool)holding["placeKnown"]!, (bool)holding["monthFirst"]!, (bool)holding["hours12"]!).ShouldBe((false, true, true));
        S((await h.Get("/api/today"))["light"]).ShouldContain("the sun is off");
        (await h.Get("/api/day-line"))["sun"]!.AsArray().ShouldBeEmpty();
        S((await h.Get("/api/put-out/windows"))["value"]!["verdict"]).ShouldContain("The sun is off until you say");
        (await h.Http.GetAsync("/api/put-out/sun")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound);

        var plan = await h.Post("/api/brew/plan", Now);
        S(plan["value"]!["forwardSays"]).ShouldContain("The sun is off");
        var steps = plan["value"]!["plan"]!["steps"]!.AsArray();
        steps.Min(s => s!["at"]!.GetValue<DateTimeOffset>()).ShouldBe(h.Now, TimeSpan.FromMinutes(20));
        var id = (int)(await h.Post("/api/brew/batches", Now))["id"]!;
        ((bool)(await h.Get($"/api/brew/batches/{id}"))["runsForward"]!).ShouldBeTrue();

        await h.Post("/api/holding/place", new {
            name = "The porch", place = "41.9 N 87.6 W", altitude = "180 m",
            zone = "America/Chicago"
        });
        holding = await h.Get("/api/holding");
        ((string)holding["name"]!, (double)holding["latitude"]!, (bool)holding["placeKnown"]!).ShouldBe(("The porch", 41.9, true));
        (await h.Get("/api/day-line"))["sun"]!.AsArray().ShouldNotBeEmpty();
        var refused = await h.Refused("/api/holding/place", new { name = "", place = "the porch", altitude = "high", zone = "Porch" });
        refused.Keys.ShouldBe(["name", "place", "zone", "altitude"], ignoreOrder: true);
    }

    [Fact]
    public async Task Days_hours_and_money_are_written_as_the_holding_writes_them()
    {
        using var h = new TestHolding(demo: true);
        S(await h.Get("/api/brew/batches/14")).ShouldNotContain(" pm");
        await h.Post("/api/holding/writing", new { monthFirst = true, hours12 = true, currency = "crowns" });
        ((string)(await h.Get("/api/holding"))["units"]!).ShouldBe("metric"); // what is not said stays
        S((await h.Get("/api/today"))["items"]).ShouldMatch(@"[0-9] [ap]m");
        S(await h.Get("/api/ground")).ShouldMatch("no harvest before [A-Z][a-z]{2} [0-9]");
        S((await h.Get("/api/shelf"))["inputs"]).ShouldContain("crowns a litre");
        (await h.Get("/api/holding"))["now"]!.GetValue<DateTimeOffset>().ShouldBe(h.Now); // what machines read stays as it was
        (await h.Refused("/api/holding/writing", new { currency = "12.50" }))["currency"].ShouldContain("can’t stand beside a figure");
        (await h.Refused("/api/holding/writing", new { currency = new string('x', 4000) })).Keys.ShouldContain("currency");
        await h.Post("/api/holding/writing", new { currency = "" });
        S((await h.Get("/api/shelf"))["inputs"]).ShouldNotContain("crowns");
    }

    [Fact]
    public async Task What_stands_in_a_field_is_taken_as_it_stands_in_either_units()
    {
        using var h = new TestHolding(demo: true);
        await h.Post("/api/holding/writing", new { units = "usCustomary" });
        var start = await h.Get("/api/put-out/tank/start?batch=14");
        await h.Post("/api/put-out/tank/work-out", start["value"]!); // all of the barrel, not refused as a drop more
        var holding = await h.Get("/api/holding");
        await h.Post("/api/holding/place", new {
            name = "There", place = "52.5 N 0 E", altitude = (string)holding["altitude"]!,
            zone = "Europe/London"
        });
        ((double)(await h.Get("/api/holding"))["altitudeM"]!).ShouldBe((double)holding["altitudeM"]!, 1e-3);
        var sprayer = (await h.Get("/api/put-out/sprayers"))[0]!;
        await h.Post("/api/put-out/sprayers", new {
            id = (int)sprayer["id"]!, version = (string)sprayer["version"]!, name = (string)sprayer["name"]!,
            kind = (string)sprayer["kind"]!, past = (string)sprayer["past"]!, clearedWhy = (string?)sprayer["clearedWhy"],
            tank = (string)sprayer["tankTyped"]!
        });
        ((double)(await h.Get("/api/put-out/sprayers"))[0]!["tankL"]!).ShouldBe((double)sprayer["tankL"]!, 1e-4);
    }

    [Fact]
    public async Task The_watch_writes_as_the_holding_does_whoever_looked_first()
    {
        using var h = new TestHolding(demo: true);
        await h.Post("/api/holding/writing", new { hours12 = true });
        await h.Look();
        (await h.Get("/api/brew/batches/14"))["watch"]!["value"]!["verdict"]!.ToJsonString().ShouldMatch("[0-9] [ap]m");
    }

    [Fact]
    public async Task A_brew_that_runs_forward_follows_its_readings_and_its_log_says_so()
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        var ask = new { bedIds = new[] { 1 }, purpose = "leaf", startNow = true, warmthC = 18, swingC = 2 };
        var says = (await h.Post("/api/brew/plan", ask))["value"]!;
        says["plan"]!["making"]!.GetValue<string>().ShouldBe("tea");
        var id = (int)(await h.Post("/api/brew/batches", ask))["id"]!;
        var batch = await h.Get($"/api/brew/batches/{id}");
        h.Clock.SetUtcNow(batch["plannedStart"]!.GetValue<DateTimeOffset>());
        await h.Post($"/api/brew/batches/{id}/start", new { strip = "0" });
        var use = batch["useAt"]!.GetValue<DateTimeOffset>();

        // cold water: it is ready much later than was planned
        foreach (var hour in new[] { 2, 4, 6 })
        {
            h.Clock.SetUtcNow(batch["plannedStart"]!.GetValue<DateTimeOffset>().AddHours(hour));
            await h.Post($"/api/brew/batches/{id}/log", new { kind = "warmth", value = "11 C" });
            await h.Post($"/api/brew/batches/{id}/log", new { kind = "oxygen", value = "10.4" });
        }

        var now = await h.Get($"/api/brew/batches/{id}");
        now["useAt"]!.GetValue<DateTimeOffset>().ShouldBeGreaterThan(use);
        S(now["log"]).ShouldContain("By its readings it meets the window at");
        DateTimeOffset Due(System.Text.Json.Nodes.JsonNode of, string step) =>
            of["steps"]!.AsArray().Single(s => (string)s!["id"]! == step)!["at"]!.GetValue<DateTimeOffset>();
        Due(now, "fill").ShouldBe(Due(batch, "fill")); // it was due before the source went in, and is not to come again
        now["steps"]!.AsArray().Single(s => (string)s!["id"]! == "use")!["at"]!.GetValue<DateTimeOffset>()
            .ShouldBe(now["useAt"]!.GetValue<DateTimeOffset>(), TimeSpan.FromMinutes(5));
    }

    [Fact]
    public async Task Again_every_week_lies_on_the_day_line_and_in_the_calendar_until_it_is_stopped()
    {
        using var h = new TestHolding();
        var id = await h.Started();
        var again = await h.Get($"/api/brew/batches/{id}/again");
        ((int)again["vesselId"]!, again["bedIds"]!.AsArray().Count, (string)again["making"]!).ShouldBe((1, 1, "tea"));
        (await h.Post("/api/brew/plan", S(again).Replace("\"useAt\":null", $"\"useAt\":\"{h.Now.AddDays(3):O}\"",
            StringComparison.Ordinal)))
            ["value"]!["brewShown"]!.GetValue<string>().ShouldBe((string)(await h.Get($"/api/brew/batches/{id}"))["brewShown"]!);

        (await h.Refused($"/api/brew/batches/{id}/rounds", new { })).Keys.ShouldContain("every");
        var round = (int)(await h.Post($"/api/brew/batches/{id}/rounds", new { every = "week" }))["id"]!;
        (await h.Refused($"/api/brew/batches/{id}/rounds", new { every = "month" }))["every"].ShouldContain("every week already");
        var use = (await h.Get($"/api/brew/batches/{id}"))["useAt"]!.GetValue<DateTimeOffset>();
        var next = (await h.Get("/api/brew/rounds"))[0]!["times"]![0]!["at"]!.GetValue<DateTimeOffset>();
        next.ShouldBe(use.AddDays(7), TimeSpan.FromHours(2));
        (await h.Http.GetStringAsync("/api/calendar.ics")).Split("again").Length.ShouldBeGreaterThan(8);

        h.Clock.SetUtcNow(next.AddDays(-1.5));
        S(await h.Get("/api/today")).ShouldContain("Brew it again");
        S((await h.Get("/api/day-line"))["rounds"]).ShouldContain("again");
        // once it is planned it is not asked for again
        await h.Post("/api/brew/batches", new { bedIds = new[] { 1 }, purpose = "root", useAt = next, warmthC = 18, roundId = round });
        S(await h.Get("/api/today")).ShouldNotContain("Brew it again");
        (await h.Get("/api/brew/rounds"))[0]!["times"]![0]!["at"]!.GetValue<DateTimeOffset>().ShouldBe(use.AddDays(14),
            TimeSpan.FromHours(2));

        await h.Post($"/api/brew/rounds/{round}/stop", new { });
        (await h.Get("/api/brew/rounds")).AsArray().ShouldBeEmpty();
        (await h.Refused($"/api/brew/rounds/{round}/stop", new { })).Keys.ShouldContain("id");
        (await h.Http.GetAsync("/api/brew/batches/999/again")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task The_book_of_a_year_is_a_line_for_each_bed_and_opens_at_a_day()
    {
        using var h = new TestHolding(demo: true);
        var year = await h.Get("/api/book/year");
        year["years"]!.AsArray().Count.ShouldBeGreaterThan(1);
        var marks = year["rows"]!.AsArray().SelectMany(r => r!["marks"]!.AsArray()).ToList();
        marks.Select(m => (string)m!["kind"]!).Distinct().Order().ShouldBe(["batch", "harvest", "job", "seen"]);
        var on = marks.Select(m => (string)m!["on"]!).Order().ElementAt(marks.Count / 2);
        var book = (await h.Get($"/api/book?to={on}"))["entries"]!.AsArray();
        book[0]!["at"]!.GetValue<DateTimeOffset>().ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture).ShouldBe(on);
        (await h.Get("/api/book/year?year=1999"))["rows"]!.AsArray().ShouldBeEmpty();
        (await h.Get("/api/book/year?year=-5"))["rows"]!.AsArray().ShouldNotBeEmpty(); // no year: the newest
        using var empty = new TestHolding();
        (await empty.Get("/api/book/year"))["rows"]!.AsArray().ShouldBeEmpty();
    }

    [Fact]
    public async Task Half_a_trial_draws_half_a_trial()
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        var one = await h.Post("/api/judge/trials/lay", new { treatments = new[] { new { name = "tea" } } });
        one["plots"]!.AsArray().Count.ShouldBe(8); // four of each, the other not said yet
        one["treatments"]!.AsArray().Select(t => (string)t!["name"]!).ShouldBe(["tea", "not said yet"]);
        var crossed = await h.Post("/api/judge/trials/lay", new {
            design = "split-plot", kind = "pots", replicates = 3, places = new[] { new { name = "Bench", length = "long", width = "1 m" } },
            factors = new[] { "char", "tea" },
            treatments = new[] { new[] { "no", "no" }, ["no", "yes"], ["char", "no"], ["char", "yes"] }.Select(l => new { levels = l }),
        });
        crossed["plots"]!.AsArray().Count.ShouldBe(12);
        crossed["plots"]!.AsArray().Select(p => (string)p!["wholePlot"]!).Distinct().Order().ShouldBe(["char", "no"]);
        (await h.Refused("/api/judge/trials/lay", new { replicates = 5000 })).Keys.ShouldContain("replicates");
        (await h.Post("/api/judge/trials/lay", new { }))["plots"]!.AsArray().Count.ShouldBe(8);
    }
}
