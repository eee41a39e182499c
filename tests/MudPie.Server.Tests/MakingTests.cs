using System.Text.Json.Nodes;

namespace MudPie.Server.Tests;

/// <summary>Each making from its plan to its end, and the demo's brewhouse.</summary>
public class MakingTests : IDisposable
{
    private readonly TestHolding _h = new();

    public void Dispose()
    {
        _h.Dispose();
        GC.SuppressFinalize(this);
    }

    private async Task<int> Begun(string making, string purpose = "root")
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var id = (int)(await _h.Post("/api/brew/batches", new {
            bedIds = new[] { 1 }, purpose, making, useAt = _h.Now.AddHours(60),
            warmthC = 18, swingC = 2
        }))["id"]!;
        _h.Clock.SetUtcNow((await _h.Get($"/api/brew/batches/{id}"))["plannedStart"]!.GetValue<DateTimeOffset>());
        await _h.Post($"/api/brew/batches/{id}/start", new { strip = "0" });
        return id;
    }

    private async Task<JsonNode> Watch(int id) => (await _h.Get($"/api/brew/batches/{id}"))["watch"]!["value"]!;

    [Fact]
    public async Task A_dunked_extract_has_no_air_to_stop_and_counts_from_when_it_was_made()
    {
        var id = await Begun("extract");
        _h.Clock.Advance(TimeSpan.FromMinutes(40));
        ((string)(await Watch(id))["verdict"]!["sentence"]!).ShouldContain("same day");
        (await _h.Refused($"/api/brew/batches/{id}/air-off", new { }))["state"].ShouldContain("no air to stop");
        ((double)(await Watch(id))["gate"]!["minutesLeft"]!).ShouldBeInRange(23 * 60, 24 * 60);
        (await Watch(id))["after"].ShouldBeNull();
        _h.Clock.Advance(TimeSpan.FromHours(70));
        ((string)(await Watch(id))["gate"]!["fitness"]!).ShouldBe("notFit");
    }

    [Fact]
    public async Task A_bubbled_extract_keeps_its_air_and_its_oxygen()
    {
        var id = await Begun("bubbled");
        _h.Clock.Advance(TimeSpan.FromHours(3));
        await _h.Post($"/api/brew/batches/{id}/log", new { kind = "oxygen", value = "8.8" });
        var watch = await Watch(id);
        ((string)watch["gate"]!["fitness"]!).ShouldBe("fit");
        watch["forecast"]!["median"]!.AsArray().ShouldAllBe(p => (double)p!["mgPerL"]! > 7);
    }

    [Fact]
    public async Task Steeped_castings_are_a_feed_from_first_to_last_and_may_still_go_on_the_soil()
    {
        var id = await Begun("steep");
        _h.Clock.Advance(TimeSpan.FromHours(30));
        var watch = await Watch(id);
        ((string)watch["gate"]!["fitness"]!).ShouldBe("feed");
        ((string)watch["verdict"]!["sentence"]!).ShouldContain("feed, not a live brew");
        var spread = (await _h.Post("/api/put-out/tank/work-out", new {
            batchId = id, purpose = "root", brew = "2 L", dilution = "1:20",
            tank = "15 L", bedIds = new[] { 1 }, tool = "can"
        }));
        var seen = spread["cautions"]!.AsArray().Select(c => (string)c!["id"]!).ToArray();
        await _h.Post("/api/put-out/tank", new {
            batchId = id, purpose = "root", brew = "2 L", dilution = "1:20", tank = "15 L",
            bedIds = new[] { 1 }, tool = "can", cautionsSeen = seen
        });
        ((string)(await _h.Get("/api/put-out"))["past"]![0]!["fitness"]!).ShouldBe("a feed");
    }

    [Fact]
    public async Task A_tea_that_was_fed_wrongly_is_put_right_by_a_new_entry_and_the_old_one_stays()
    {
        var id = await _h.Started();
        _h.Clock.Advance(TimeSpan.FromHours(2));
        var wrong = (int)(await _h.Post($"/api/brew/batches/{id}/log", new { kind = "fed", value = "1 cup molasses" }))["id"]!;
        var crash = (double)(await Watch(id))["forecast"]!["probabilityBelow6"]!;
        await _h.Post($"/api/brew/batches/{id}/log/{wrong}/correct", new { kind = "fed", value = "1 tsp molasses" });
        ((double)(await Watch(id))["forecast"]!["probabilityBelow6"]!).ShouldBeLessThan(crash);
        var log = (await _h.Get($"/api/brew/batches/{id}"))["log"]!.AsArray();
        log.Single(l => (int)l!["id"]! == wrong)!["correctedById"].ShouldNotBeNull();
        ((string)log.Single(l => (int)l!["id"]! == wrong)!["shown"]!).ShouldBe("250 mL molasses");
    }

    [Fact]
    public async Task A_battery_pump_on_the_shelf_lengthens_the_hold()
    {
        var id = await _h.Started();
        _h.Clock.Advance(TimeSpan.FromHours(12));
        await _h.Post($"/api/brew/batches/{id}/log", new { kind = "oxygen", value = "7.5" });
        var without = (await Watch(id))["after"]!;
        without["withBatteryTo6"].ShouldBeNull();
        await _h.Post("/api/ground/pumps", new { name = "truck pump", openFlow = "8 L/min", shutOff = "18 kPa", battery = "5" });
        await _h.Post($"/api/brew/batches/{id}/log", new { kind = "note", value = "the truck pump is charged" });
        var with = (await Watch(id))["after"]!;
        ((double)with["holdMinutes"]!).ShouldBeGreaterThan((double)without["holdMinutes"]!);
        with["rules"]!.AsArray().Count.ShouldBe(4);
    }

    [Fact]
    public async Task Both_orders_of_feeding_are_plans_and_one_may_be_chosen_for_good()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        async Task<List<string>> Order() =>
            [.. (await _h.Post("/api/brew/plan", _h.Plan()))["value"]!["plan"]!["steps"]!.AsArray().Select(s => (string)s!["id"]!)];
        var before = await Order();
        before.IndexOf("source").ShouldBeLessThan(before.IndexOf("foods"));
        await _h.Post("/api/holding/forks/order", new { school = "food-first" });
        var after = await Order();
        after.IndexOf("foods").ShouldBeLessThan(after.IndexOf("source"));
    }

    [Fact]
    public async Task A_school_of_hours_chosen_for_this_job_changes_the_start_and_not_the_holding()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        async Task<double> Hours(object? choices) =>
            (double)(await _h.Post("/api/brew/plan", new {
                bedIds = new[] { 1 }, purpose = "leaf", useAt = _h.Now.AddHours(55),
                warmthC = 18, choices
            }))["value"]!["plan"]!["brewHours"]!;
        (await Hours(new Dictionary<string, string> { ["brew-time"] = "fixed" })).ShouldBe(24);
        (await Hours(new Dictionary<string, string> { ["brew-time"] = "warmth" })).ShouldBe(27);
        (await Hours(null)).ShouldNotBe(24);
        (await _h.Get("/api/ground"))["forkChoices"]!.AsObject().Count.ShouldBe(0);
    }

    [Fact]
    public async Task The_demo_opens_with_a_brewhouse_that_has_lived()
    {
        using var demo = new TestHolding(demo: true);
        var sources = (await demo.Get("/api/brew/sources")).AsArray();
        sources.Count(s => s!["ruling"] is not null).ShouldBe(2);
        var recipes = (await demo.Get("/api/brew/recipes")).AsArray();
        ((string)recipes[0]!["name"]!).ShouldBe("House leaf tea");
        recipes.Count.ShouldBe(19);
        var back = await demo.Get("/api/brew/looking-back");
        back["brews"]!.AsArray().Count.ShouldBeGreaterThanOrEqualTo(10);
        back["brews"]!.AsArray().Count(b => b!["learnt"]!.AsArray().Count > 0).ShouldBeGreaterThanOrEqualTo(4);
        back["went"]!.AsArray().Count.ShouldBeGreaterThan(1);
        (await demo.Get("/api/brew/cleaning")).AsArray().Count(v => !(bool)v!["clean"]! && !(bool)v["inUse"]!).ShouldBe(1);
        (await demo.Get("/api/brew/tallies"))["growth"]!.AsArray().Count.ShouldBe(1);
        (await demo.Get("/api/brew/ground-checks")).AsArray().Select(c => (string)c!["life"]!)
            .ShouldBe(["poor", "living", "middling"], ignoreOrder: true);
        var live = (await demo.Get("/api/brew/batches/14"))["watch"]!["value"]!;
        live["crossesAtH"].ShouldNotBeNull();
        live["remedies"]!.AsArray().Count(r => (bool)r!["holds"]!).ShouldBeGreaterThan(1);
        await demo.Look();
        (await demo.Get("/api/watch"))["notices"]!.AsArray().Count.ShouldBeGreaterThan(0);
    }
}
