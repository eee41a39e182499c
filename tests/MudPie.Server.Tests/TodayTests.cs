using System.Text.Json.Nodes;
using MudPie.Server.Ground;
using MudPie.Server.Web;

namespace MudPie.Server.Tests;

/// <summary>What wants hands, in order; the day line; units; and the clock of the holding.</summary>
public class TodayTests : IDisposable
{
    private readonly TestHolding _h = new();

    public void Dispose()
    {
        _h.Dispose();
        GC.SuppressFinalize(this);
    }

    private async Task<List<(string Id, string Title, int Urgency)>> Items() =>
        [.. (await _h.Get("/api/today"))["items"]!.AsArray().Select(i => ((string)i!["id"]!, (string)i["title"]!, (int)i["urgency"]!))];

    [Fact]
    public async Task A_plan_wants_its_first_step_then_the_next_and_says_when_it_is_late()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        (await Items()).ShouldBeEmpty();
        var id = (int)(await _h.Post("/api/brew/batches", _h.Plan()))["id"]!;
        (await Items())[0].Id.ShouldBe($"plan-{id}-shop");
        await _h.Post($"/api/brew/batches/{id}/steps/shop", new { });
        (await Items())[0].Id.ShouldBe($"plan-{id}-fill");

        var fill = (await _h.Get($"/api/brew/batches/{id}"))["steps"]![1]!["at"]!.GetValue<DateTimeOffset>();
        _h.Clock.SetUtcNow(fill.AddMinutes(30));
        var late = (await Items())[0];
        late.Title.ShouldEndWith("30 min late");
        late.Urgency.ShouldBe(1);
    }

    [Fact]
    public async Task A_step_is_ticked_with_its_real_time_and_an_unknown_one_is_refused()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var id = (int)(await _h.Post("/api/brew/batches", _h.Plan()))["id"]!;
        var at = _h.Now.AddHours(-2);
        await _h.Post($"/api/brew/batches/{id}/steps/shop", new { at });
        (await _h.Get($"/api/brew/batches/{id}"))["steps"]![0]!["doneAt"]!.GetValue<DateTimeOffset>().ShouldBe(at);
        (await _h.Refused($"/api/brew/batches/{id}/steps/dance", new { })).Keys.ShouldContain("step");
        (await _h.Refused($"/api/brew/batches/{id}/steps/fill", new { at = _h.Now.AddDays(1) }))["at"].ShouldContain("not come yet");
    }

    [Fact]
    public async Task The_most_pressing_comes_first_as_a_brew_goes_from_reading_due_to_failed()
    {
        var id = await _h.Started();
        _h.Clock.Advance(TimeSpan.FromHours(4.5));
        (await Items()).ShouldContain(i => i.Id == $"read-{id}" && i.Title.Contains("1 h 30 min late"));
        await _h.Post($"/api/brew/batches/{id}/log", new { kind = "oxygen", value = "8.2" });
        (await Items()).ShouldNotContain(i => i.Id == $"read-{id}");

        await _h.Post($"/api/brew/batches/{id}/air-off", new { });
        var use = (await Items())[0];
        use.Id.ShouldBe($"use-{id}");
        use.Urgency.ShouldBe(0);
        _h.Clock.Advance(TimeSpan.FromHours(9));
        (await Items())[0].Id.ShouldBe($"heap-{id}");
        await _h.Post($"/api/brew/batches/{id}/heap", new { why = "stood too long" });
        (await Items()).ShouldBeEmpty();
        ((string)(await _h.Get("/api/brew/batches"))[0]!["outcome"]!).ShouldBe("heaped: stood too long");
    }

    [Fact]
    public async Task The_day_line_carries_the_loaf_the_pips_and_the_next_things()
    {
        var id = await _h.Started();
        _h.Clock.Advance(TimeSpan.FromHours(3));
        await _h.Post($"/api/brew/batches/{id}/log", new { kind = "oxygen", value = "8.2" });
        var line = await _h.Get("/api/day-line");
        var loaf = line["brews"]![0]!["loaf"]!.AsArray();
        loaf.Count.ShouldBeGreaterThan(20);
        ((double)loaf[^1]!["level"]!).ShouldBeGreaterThan((double)loaf[0]!["level"]! + 0.5);
        line["pips"]!.AsArray().Count(p => (bool)p!["due"]!).ShouldBe(1);
        line["pips"]!.AsArray().Count(p => !(bool)p!["due"]!).ShouldBe(1);
        var next = line["next"]!.AsArray().Select(n => n!["at"]!.GetValue<DateTimeOffset>()).ToList();
        next.ShouldBe(next.Order());
    }

    [Fact]
    public async Task What_has_its_day_in_the_yard_or_on_the_ground_is_on_the_line_and_in_the_calendar()
    {
        using var h = new TestHolding(demo: true);
        var tomorrow = h.Now.AddDays(1).ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture);
        await h.Post("/api/look/goals", new {
            name = "softer ridge", measure = "check", check = "worms", bedId = 5,
            baselineOn = "2025-01-10",
            baseline = "4", targetOn = tomorrow, target = "12"
        });
        await h.Post("/api/judge/pests", new { bedId = 5, pest = "aphids", count = "9", per = "plant", threshold = "10" });
        var dated = (await h.Get("/api/day-line"))["dated"]!.AsArray();
        string Link(string text) => (string)dated.Single(d => (string)d!["text"]! == text)!["link"]!;
        Link("Turn heap 2").ShouldBe("/make/heap/2");
        Link("Goal: softer ridge").ShouldBe("/look/goals");
        dated.Select(d => d!["at"]!.GetValue<DateTimeOffset>()).ShouldBeInOrder();
        var calendar = (await h.Http.GetStringAsync("/api/calendar.ics")).Replace("\r\n ", "", StringComparison.Ordinal);
        calendar.ShouldContain("Look again at aphids");
        calendar.ShouldContain("Goal: softer ridge");
        (await h.Get("/api/today"))["items"]!.ToJsonString().ShouldNotContain("its day has come");
        h.Clock.Advance(TimeSpan.FromHours(36));
        dated = (await h.Get("/api/day-line"))["dated"]!.AsArray();
        Link("Look again at aphids, Ridge Bed 4").ShouldBe("/look/leaves/5");
        (await h.Get("/api/today"))["items"]!.ToJsonString().ShouldContain("Goal softer ridge: its day has come");
        (await h.Get("/api/day-line"))["next"]!.AsArray().Count.ShouldBeLessThanOrEqualTo(5);
    }

    [Fact]
    public async Task What_is_over_cannot_be_logged_started_or_stopped_again()
    {
        var id = await _h.Started();
        await _h.Post($"/api/brew/batches/{id}/heap", new { why = "dropped it" });
        foreach (var (path, body) in new (string, object)[] { ("log", new { kind = "note", value = "x" }), ("start", new { strip = "0" }),
            ("air-off", new { }), ("heap", new { why = "again" }) })
        {
            (await _h.Refused($"/api/brew/batches/{id}/{path}", body)).Keys.ShouldContain("state", path);
        }

        (await _h.Refused("/api/brew/batches/99/air-off", new { })).Keys.ShouldContain("id");
        (await _h.Http.GetAsync("/api/brew/batches/99")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound);
        (await _h.Http.GetAsync("/api/nowhere")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_reading_from_before_the_start_or_from_tomorrow_is_refused()
    {
        var id = await _h.Started();
        _h.Clock.Advance(TimeSpan.FromHours(2));
        (await _h.Refused($"/api/brew/batches/{id}/log",
            new { kind = "oxygen", value = "8", at = _h.Now.AddHours(-5) }))["at"].ShouldContain("before this batch");
        (await _h.Refused($"/api/brew/batches/{id}/log",
            new { kind = "oxygen", value = "8", at = _h.Now.AddHours(5) }))["at"].ShouldContain("not come yet");
    }

    [Fact]
    public async Task An_American_holding_is_answered_in_gallons_and_fahrenheit()
    {
        var us = JsonNode.Parse(System.Text.Json.JsonSerializer.Serialize(TestHolding.SetUp))!;
        (us["units"], us["area"], us["total"], us["depth"], us["altitude"], us["openFlow"], us["shutOff"]) =
            ("usCustomary", "2000", "5 gal", "11 in", "20 ft", "0.2 cfm", "3 psi");
        await _h.Post("/api/holding/setup", us.ToJsonString());
        var plan = (await _h.Post("/api/brew/plan", _h.Plan()))["value"]!;
        ((string)plan["brewShown"]!).ShouldEndWith("gal");
        ((string)plan["warmthShown"]!).ShouldBe("64.4 °F");
        ((string)plan["airShown"]!).ShouldEndWith("cfm");
        plan["plan"]!["steps"]!.AsArray().Select(s => (string)s!["detail"]!).ShouldContain(d => d.Contains("gal of water"));
        (await _h.Post("/api/amounts/read", new { text = "half a cup", dimension = "volume" }))["value"]!["si"]!.GetValue<double>()
            .ShouldBe(0.11829411825, 1e-9);
    }

    [Theory]
    [InlineData("2026-07-01T12:00:00Z", "Europe/London", 13)]
    [InlineData("2026-12-01T12:00:00Z", "Europe/London", 12)]
    [InlineData("2026-07-01T12:00:00Z", "Pacific/Auckland", 0)]
    [InlineData("2026-07-01T12:00:00Z", "Nowhere/AtAll", 12)]
    [InlineData("1800-01-01T00:00:00Z", "Europe/London", 23)] // a minute and a quarter behind, by the sun
    [InlineData("1800-01-01T20:00:00Z", "Asia/Manila", 6)] // 15:56 behind: more than a written time can carry
    public void The_clock_is_the_holdings_own_summer_and_winter(string utc, string zone, int hour) =>
        HoldingClock.In(zone)(DateTimeOffset.Parse(utc, System.Globalization.CultureInfo.InvariantCulture)).Hour.ShouldBe(hour);

    [Theory]
    [InlineData("52.5, 0.0", 52.5, 0)]
    [InlineData("52.5 N 1.2 W", 52.5, -1.2)]
    [InlineData("-36.5 145", -36.5, 145)]
    [InlineData("36.5° S, 145° E", -36.5, 145)]
    public void A_place_is_read_as_it_is_written(string typed, double latitude, double longitude) =>
        SetupEndpoints.Place(typed).ShouldBe((latitude, longitude));

    [Theory]
    [InlineData("")]
    [InlineData("somewhere")]
    [InlineData("91, 0")]
    [InlineData("10")]
    [InlineData("1 2 3")]
    public void A_place_that_is_none_is_none(string typed) => SetupEndpoints.Place(typed).ShouldBeNull();

    [Fact]
    public async Task A_refused_write_leaves_its_key_free_for_the_mended_one()
    {
        var id = await _h.Started();
        var (status, _) = await _h.Send($"/api/brew/batches/{id}/log", new { kind = "oxygen", value = "99" }, "one-key-for-both");
        status.ShouldBe(422);
        await _h.Post($"/api/brew/batches/{id}/log", new { kind = "oxygen", value = "8.9" }, "one-key-for-both");
    }

    [Theory]
    [InlineData("9.1 x", "22", "readings")]
    [InlineData("400", "22", "readings")]
    [InlineData("", "22", "readings")]
    [InlineData("9.1", "35", "temperature")]
    [InlineData("9.1", "warm", "temperature")]
    public async Task Nonsense_from_the_leaves_is_refused_at_its_field(string readings, string temperature, string field)
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var body = new { bedId = 1, readings, temperature, leafPosition = "top", sky = "clear" };
        (await _h.Refused("/api/judge/brix/work-out", body)).Keys.ShouldContain(field);
        (await _h.Refused("/api/judge/brix", body)).Keys.ShouldContain(field);
        (await _h.Get("/api/judge/brix"))["beds"]!.AsArray().ShouldBeEmpty();
    }

    [Theory]
    [InlineData("200 L", "1:5", "15 L", 1, "brew")]
    [InlineData("5 L", "five", "15 L", 1, "dilution")]
    [InlineData("5 L", "1:5", "-3", 1, "tank")]
    [InlineData("5 L", "1:5", "15 L", 99, "beds")]
    public async Task Nonsense_at_putting_out_is_refused_at_its_field(string brew, string dilution, string tank, int bed, string field)
    {
        var id = await _h.Started();
        (await _h.Refused("/api/put-out/tank/work-out",
            new { batchId = id, brew, dilution, tank, bedIds = new[] { bed }, tool = "can" })).Keys.ShouldContain(field);
    }
}
