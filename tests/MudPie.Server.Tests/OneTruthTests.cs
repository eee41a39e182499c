using System.Text.Json.Nodes;

namespace MudPie.Server.Tests;

/// <summary>One race, one wait, one dose, one verdict: what two screens say of one thing, and what no reason sets aside.</summary>
public sealed class OneTruthTests : IDisposable
{
    private readonly TestHolding _h = new();

    public void Dispose() => _h.Dispose();

    private static object Tank(int batch, object? race = null, double litres = 6) =>
        new {
            batchId = batch, brew = FormattableString.Invariant($"{litres} L"), bedIds = new[] { 1 }, purpose = "leaf", dilution = "1:5",
            tank = "15 L", tool = "knapsack", race
        };

    [Fact]
    public async Task Plan_page_and_tank_run_the_same_race()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var race = new { tank = "15 L", flow = "0.6 L/min", draw = "10 L/min", way = "4", lanes = "1" };
        var plan = new { bedIds = new[] { 1 }, purpose = "leaf", useAt = _h.Now.AddHours(48), warmthC = 18, swingC = 2, race };
        var planned = (await _h.Post("/api/brew/plan", plan))["value"]!["race"]!;
        var id = (int)(await _h.Post("/api/brew/batches", plan))["id"]!;
        async Task<JsonNode> Page() => (await _h.Get($"/api/brew/batches/{id}"))["race"]!;
        async Task<JsonNode> Windows() => (await _h.Get("/api/put-out/windows/brews?purpose=leaf"))[0]!["race"]!;
        var kept = await Page();
        foreach (var part in new[] { "kitSays", "graceShown", "rows", "verdict" })
        {
            kept[part]!.ToJsonString().ShouldBe(planned[part]!.ToJsonString(), part);
        }

        (await Windows()).ToJsonString().ShouldBe(kept.ToJsonString());
        _h.Clock.SetUtcNow((await _h.Get($"/api/brew/batches/{id}"))["plannedStart"]!.GetValue<DateTimeOffset>());
        await _h.Post($"/api/brew/batches/{id}/start", new { strip = "0" });
        _h.Clock.Advance(TimeSpan.FromHours(3));
        var batch = await _h.Get($"/api/brew/batches/{id}");
        var page = batch["race"]!;
        // all of it
        var tank = (await _h.Post("/api/put-out/tank/work-out", Tank(id, litres: (double)batch["vessel"]!["brewL"]!)))["value"]!["race"]!;
        (await Windows()).ToJsonString().ShouldBe(page.ToJsonString());
        foreach (var part in new[] { "graceShown", "rows", "verdict" })
        {
            tank[part]!.ToJsonString().ShouldBe(page[part]!.ToJsonString(), part);
        }

        ((string)page["kitSays"]!).ShouldContain("way 4 min");
        var bad = await _h.Refused("/api/put-out/tank/work-out", Tank(id, new { flow = "fast", way = "-3", lanes = "1,000" }));
        bad.Keys.ShouldBe(["race.flow", "race.way", "race.lanes"], ignoreOrder: true);
    }

    [Fact]
    public async Task Tank_and_live_page_give_one_verdict_and_one_reading_of_now()
    {
        var id = await _h.Started();
        _h.Clock.Advance(TimeSpan.FromHours(4));
        await _h.Post($"/api/brew/batches/{id}/log", new { kind = "oxygen", value = "8.1" });
        _h.Clock.Advance(TimeSpan.FromHours(5));
        var watch = (await _h.Get($"/api/brew/batches/{id}"))["watch"]!["value"]!;
        var tank = (await _h.Post("/api/put-out/tank/work-out", Tank(id)))["value"]!;
        ((string)tank["watch"]!["sentence"]!).ShouldBe((string)watch["verdict"]!["sentence"]!);
        ((string)tank["now"]!["shown"]!).ShouldBe((string)watch["now"]!["shown"]!);
        ((string)tank["gate"]!["sentence"]!).ShouldBe((string)watch["gate"]!["sentence"]!);
    }

    [Theory]
    [InlineData("no-such-fork", "oxygen")]
    [InlineData("hold", "no-such-school")]
    public async Task A_choice_that_does_not_exist_is_refused(string fork, string school)
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var refused = await _h.Refused("/api/brew/plan", new {
            bedIds = new[] { 1 }, purpose = "leaf", useAt = _h.Now.AddHours(48),
            warmthC = 18, choices = new Dictionary<string, string> { [fork] = school }
        });
        refused.Keys.ShouldContain(k => k.StartsWith("choices", StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_plan_that_is_too_late_already_is_shown_and_not_kept()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var late = new { bedIds = new[] { 1 }, purpose = "leaf", making = "tea", useAt = _h.Now.AddHours(3), warmthC = 18, swingC = 2 };
        (await _h.Post("/api/brew/plan", late))["value"].ShouldNotBeNull();
        (await _h.Refused("/api/brew/batches", late)).Keys.ShouldContain("useAt");
    }

    [Theory]
    [InlineData("nothing", false)]
    [InlineData("touches", true)]
    public async Task A_wait_before_harvest_goes_by_what_is_eaten(string how, bool waits)
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        await _h.Post("/api/book/beds/1/eaten", new { how });
        ((string)(await _h.Get("/api/book/waits"))["eaten"]![0]!["how"]!).ShouldBe(how);
        var plan = (await _h.Post("/api/brew/plan", _h.Plan()))["value"]!["waits"]!.AsArray().Select(w => (string)w!).ToList();
        plan.Any(w => w.Contains("days", StringComparison.Ordinal)).ShouldBe(waits, string.Join(" | ", plan));
    }

    [Fact]
    public async Task River_water_comes_in_after_a_clean_test_only()
    {
        await _h.Post("/api/holding/setup", With("waterKind", "surface"));
        var before = await _h.Send("/api/brew/plan", _h.Plan(), null);
        (before.Status == 422 || (string)before.Reply["value"]!["plan"]!["verdict"]!["tone"]!
            == "stop").ShouldBeTrue(before.Reply.ToJsonString());
        await _h.Post("/api/brew/water/1/tests", new { eColi = "0", by = "the county lab" });
        var after = await _h.Post("/api/brew/plan", _h.Plan());
        ((string)after["value"]!["plan"]!["verdict"]!["tone"]!).ShouldNotBe("stop");
        await _h.Post("/api/brew/water/1/tests", new { eColi = "12", by = "the county lab" });
        var foul = await _h.Send("/api/brew/plan", _h.Plan(), null);
        (foul.Status == 422 || (string)foul.Reply["value"]!["plan"]!["verdict"]!["tone"]!
            == "stop").ShouldBeTrue(foul.Reply.ToJsonString());
    }

    private static JsonObject With(string field, string value)
    {
        var body = System.Text.Json.JsonSerializer.SerializeToNode(TestHolding.SetUp)!.AsObject();
        body[field] = value;
        return body;
    }

    [Fact]
    public async Task One_who_dunks_a_bag_is_asked_for_no_pressure()
    {
        var body = With("openFlow", "");
        body["shutOff"] = "";
        await _h.Post("/api/holding/setup", body);
        ((string)(await _h.Get("/api/ground"))["pumps"]![0]!["name"]!).ShouldContain("assumed");
        (await _h.Post("/api/brew/plan", new {
            bedIds = new[] { 1 }, purpose = "root", making = "extract", useAt = _h.Now.AddHours(20),
            warmthC = 18
        }))["value"].ShouldNotBeNull();
    }

    [Fact]
    public async Task What_gives_off_gas_is_refused_whatever_reason_is_given()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        async Task<int> Add(string name, string kind) => (int)(await _h.Post("/api/shelf/inputs", new { name, kind }))["id"]!;
        var (sulphur, fulvic) = (await Add("lime sulphur", "limeSulphur"), await Add("fulvic acid", "fulvic"));
        var job = new {
            purpose = "leaf",
            bedIds = new[] { 1 },
            rate = "500",
            tool = "knapsack",
            tank = "15 L",
            items = new[] { new { inputId = sulphur, rate = "1 L", basis = "perHa" },
                new { inputId = fulvic, rate = "1 L", basis = "perHa" } },
            mixWhy = "we have always done it like that here",
        };
        (await _h.Refused("/api/put-out/tank", job))["items"].ShouldContain("No reason sets this aside");
    }

    [Fact]
    public async Task A_label_in_its_own_words_gives_one_dose_on_shelf_season_and_tank()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var input = (int)(await _h.Post("/api/shelf/inputs",
            new { name = "liquid seaweed", kind = "seaweed", labelRate = "3 to 5 mL a can of 10 L, each week" }))["id"]!;
        ((string)(await _h.Get("/api/shelf"))["inputs"]!.AsArray()
            .Single(i => (int)i!["id"]! == input)!["labelSays"]!).ShouldContain("10 L");
        var season = (int)(await _h.Post("/api/put-out/programmes",
            new {
                bedId = 1, start = DateOnly.FromDateTime(_h.Now.UtcDateTime.AddDays(-30)),
                harvest = DateOnly.FromDateTime(_h.Now.UtcDateTime.AddDays(70))
            }))["id"]!;
        await _h.Post($"/api/put-out/programmes/{season}/givings",
            new { kind = "seaweed", on = DateOnly.FromDateTime(_h.Now.UtcDateTime.AddDays(2)), purpose = "leaf" });
        var view = await _h.Get("/api/put-out/programmes");
        var giving = view["programmes"]![0]!["givings"]![0]!;
        ((string)giving["whose"]!).ShouldContain("label");
        var tank = await _h.Post("/api/put-out/tank/work-out",
            new {
                purpose = "leaf", bedIds = new[] { 1 }, rate = view["mixLPerHa"]!.ToString(),
                items = new[] { new { inputId = input, rate = (string)giving["tankRate"]!, basis = (string)giving["tankBasis"]! } },
                tool = "knapsack", tank = "15 L", spare = "0"
            });
        ((string)tank["value"]!["shares"]![0]!["products"]![0]!["shown"]!).ShouldBe((string)giving["amountShown"]!);
    }

    [Fact]
    public async Task A_cost_that_is_not_known_is_not_nothing()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var input = (int)(await _h.Post("/api/shelf/inputs", new { name = "liquid seaweed", kind = "seaweed" }))["id"]!;
        var worked = await _h.Post("/api/put-out/tank/work-out", new {
            purpose = "leaf", bedIds = new[] { 1 }, rate = "500",
            items = new[] { new { inputId = input, rate = "20 ml", basis = "per100m2" } }, tool = "knapsack", tank = "15 L"
        });
        ((string)worked["value"]!["cost"]!["batch"]!).ShouldBe("not known");
    }

    [Fact]
    public async Task A_leaf_that_gave_no_juice_is_kept_and_no_sky_is_made_up()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var read = await _h.Post("/api/notes/read", new { text = "brix 9.1 dry 8.8 8.9 fennel top" });
        ((string)read["understood"]!["sentence"]!).ShouldContain("1 dry");
        await _h.Post("/api/notes", new { text = "brix 9.1 dry 8.8 8.9 fennel top" });
        var visit = (await _h.Get("/api/judge/brix/bed/1"))["visits"]![0]!;
        ((int)visit["dry"]!).ShouldBe(1);
        ((string)visit["sky"]!).ShouldBe("unknown");
    }

    [Fact]
    public async Task Its_own_past_is_of_the_same_leaf_at_a_like_hour()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        _h.Clock.SetUtcNow(new DateTimeOffset(2026, 6, 20, 15, 0, 0, TimeSpan.Zero));
        async Task Visit(double daysAgo, string leaf, string readings) =>
            await _h.Post("/api/judge/brix", new {
                bedId = 1, at = _h.Now.AddDays(-daysAgo), leafPosition = leaf, sky = "clear",
                meterCorrects = true, readings
            });
        for (var d = 1; d <= 6; d++)
        {
            await Visit(d, "bottom", "4 4.2 4.1");
            await Visit(d + 0.3, "top", "5 5.2 5.1"); // morning
        }

        await Visit(0, "top", "9 9.1 9.2");
        ((string)(await _h.Get("/api/judge/brix/bed/1"))["standing"]!["value"]!["own"]!).ShouldBe("no past yet");
    }
}
