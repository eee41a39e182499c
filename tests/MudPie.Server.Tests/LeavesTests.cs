using System.Text.Json.Nodes;

namespace MudPie.Server.Tests;

/// <summary>Patches, meters, pairs, pests and the practice plot over HTTP.</summary>
public sealed class LeavesTests
{
    private static async Task<int> Input(TestHolding h, string name) => (int)(await h.Get("/api/shelf"))["inputs"]!.AsArray()
        .Single(i => (string)i!["name"]! == name)!["id"]!;

    [Fact]
    public async Task Patches_go_from_the_shelf_to_a_tank_plan()
    {
        using var h = new TestHolding(demo: true);
        var seaweed = await Input(h, "liquid seaweed");
        var id = (int)(await h.Post("/api/judge/patches",
            new { bedId = 6, each = 2, candidates = new[] { new { inputId = seaweed, ratePerHa = "5 L" } } }))["id"]!;
        var test = (await h.Get("/api/judge/patches")).AsArray().Single(t => (int)t!["id"]! == id)!;
        var patches = test["patches"]!.AsArray();
        patches.Count(p => (string)p!["role"]! == "water").ShouldBe(2);
        ((double)patches.First(p => (string)p!["role"]! == "candidate")!["dose"]!["product"]!).ShouldBe(0.5);
        test["cautions"]!.AsArray().ShouldHaveSingleItem()!["id"]!.GetValue<string>().ShouldBe("spraying");
        async Task Read(JsonNode p, string phase, double level) =>
            await h.Post($"/api/judge/patches/patch/{p["id"]}/leaves",
                new {
                    phase, readings = string.Join(' ',
                    new[] { 0, 0.2, -0.2, 0 }.Select(d => (level + d).ToString("0.0", System.Globalization.CultureInfo.InvariantCulture))),
                    temperature = "20 C"
                });
        (await h.Refused($"/api/judge/patches/{id}/on", new { }))["test"].ShouldStartWith("Some patches were not read before");
        (await h.Refused($"/api/judge/patches/patch/{patches[0]!["id"]}/leaves",
            new { phase = "after", readings = "8", temperature = "20" }))["phase"].ShouldStartWith("Nothing is on yet");
        foreach (var p in patches)
        {
            await Read(p!, "before", 8);
        }

        await h.Post($"/api/judge/patches/{id}/on", new { });
        (await h.Refused($"/api/judge/patches/patch/{patches[0]!["id"]}/leaves",
            new { phase = "before", readings = "8", temperature = "20" })).Keys.ShouldBe(["phase"]);
        h.Clock.Advance(TimeSpan.FromMinutes(45));
        ((string)(await h.Get("/api/today")).ToJsonString()).ShouldContain("patches");
        foreach (var (p, i) in patches.Select((p, i) => (p!, i)))
        {
            await Read(p, "after", ((string)p["role"]! == "water" ? 8.2 : 11.2) + (0.1 * (i % 2)));
        }

        var told = (await h.Get("/api/judge/patches")).AsArray().Single(t => (int)t!["id"]! == id)!;
        ((string)told["answer"]!["value"]!["winner"]!).ShouldBe("liquid seaweed");
        ((int)told["winnerInputId"]!).ShouldBe(seaweed);
        ((double)told["answer"]!["value"]!["lifts"]![0]!["lift"]!).ShouldBe(3, 0.11);
    }

    [Fact]
    public async Task Patches_without_a_rate_or_a_candidate_are_refused()
    {
        using var h = new TestHolding(demo: true);
        (await h.Refused("/api/judge/patches", new { bedId = 99, area = "1 ha", water = "9 L", each = 0 })).Keys.ShouldBe(["bedId", "area",
            "water", "each", "candidates"]);
        var molasses = await Input(h, "molasses");
        (await h.Refused("/api/judge/patches",
            new { bedId = 6, candidates = new[] { new { inputId = molasses } } }))["candidates[0].ratePerHa"].ShouldContain("has no rate");
        (await h.Refused("/api/judge/patches",
            new {
                bedId = 6, candidates = new[] { new { inputId = molasses, ratePerHa = "5 L" },
                new { inputId = molasses, ratePerHa = "5 L" } }
            })).Keys.ShouldBe(["candidates"]);
        (await h.Refused("/api/judge/patches/999/on", new { })).Keys.ShouldBe(["id"]);
    }

    [Fact]
    public async Task A_meter_that_was_not_zeroed_is_said_and_its_log_is_kept()
    {
        using var h = new TestHolding(demo: true);
        var id = (int)(await h.Post("/api/judge/meters", new { name = "digital one", kind = "digital", corrects = true }))["id"]!;
        (await h.Refused("/api/judge/meters", new { name = "digital one" })).Keys.ShouldBe(["name"]);
        object Leaves() => new {
            bedId = 6, readings = "8.1 dry 8.4 8.2", meterId = id, leafPosition = "top", sky = "clear",
            stage = "flowering", stress = "drought"
        };
        async Task<string> Advice()
        {
            var (status, reply) = await h.Send("/api/judge/brix/work-out", Leaves(), null);
            status.ShouldBe(200, reply.ToJsonString());
            return (string)reply["advice"]!;
        }

        (await Advice()).ShouldContain("not zeroed in the last week");
        (await Advice()).ShouldContain("1 dry");
        await h.Post($"/api/judge/meters/{id}/zero", new { showed = "0.6" });
        (await Advice()).ShouldNotContain("zeroed");
        ((string)(await h.Get("/api/judge/meters")).AsArray().Single(m => (int)m!["id"]! == id)!["says"]!).ShouldContain("was off by 0.6");
        (await h.Refused($"/api/judge/meters/{id}/zero", new { showed = "40" })).Keys.ShouldBe(["showed"]);
        await h.Post("/api/judge/brix", Leaves());
        var last = (await h.Get("/api/judge/brix/bed/6"))["visits"]!.AsArray()[^1]!;
        ((int)last["dry"]!, (string)last["stage"]!, (string)last["stress"]!).ShouldBe((1, "flowering", "drought"));
        await h.Post("/api/judge/brix", new { bedId = 6, readings = "dry dry", meterId = id, leafPosition = "top", sky = "dull" });
        ((int)(await h.Get("/api/judge/brix/bed/6"))["visits"]!.AsArray()[^1]!["value"]!["count"]!).ShouldBe(0);
    }

    [Fact]
    public async Task A_guided_pair_is_told_when_its_second_half_is_in()
    {
        using var h = new TestHolding(demo: true);
        object Half(string readings, string leaf, int? with = null) => new {
            bedId = 7, readings, temperature = "20", leafPosition = leaf,
            sky = "clear", pairKind = "top-bottom", pairWithId = with, samePlants = true
        };
        var first = (int)(await h.Post("/api/judge/brix", Half("10.0 11.2 11.8", "top")))["id"]!;
        var waiting = (await h.Get("/api/judge/brix/bed/7"))["waiting"]!.AsArray().ShouldHaveSingleItem()!;
        ((string)waiting["wants"]!).ShouldBe("now the bottom leaves");
        await h.Post("/api/judge/brix", Half("8.0 9.0 10.0", "bottom", first));
        var bed = await h.Get("/api/judge/brix/bed/7");
        bed["waiting"]!.AsArray().ShouldBeEmpty();
        ((double)bed["pairs"]![0]!["difference"]!["value"]!["difference"]!).ShouldBe(-2, 1e-9);
        ((string)bed["pairs"]![0]!["difference"]!["working"]![0]!["source"]!).ShouldBe("paired t");
        (await h.Refused("/api/judge/brix", Half("8", "bottom", 99999))).Keys.ShouldContain("pairWithId");
    }

    [Fact]
    public async Task A_reading_is_put_right_by_a_new_one()
    {
        using var h = new TestHolding(demo: true);
        object Leaves(string readings, int? corrects = null) =>
            new { bedId = 7, readings, temperature = "20", leafPosition = "top", sky = "clear", correctsId = corrects };
        var first = (int)(await h.Post("/api/judge/brix", Leaves("18.8 19.1")))["id"]!;
        var before = (await h.Get("/api/judge/brix/bed/7"))["visits"]!.AsArray().Count;
        await h.Post("/api/judge/brix", Leaves("8.8 9.1", first));
        var visits = (await h.Get("/api/judge/brix/bed/7"))["visits"]!.AsArray();
        visits.Count.ShouldBe(before);
        visits.ShouldNotContain(v => (int)v!["id"]! == first);
        (await h.Get("/api/judge/brix/bed/7"))["putRight"]!.AsArray().ShouldHaveSingleItem()!["id"]!.GetValue<int>()
            .ShouldBe(first, "the old one stays readable");
        (await h.Refused("/api/judge/brix", Leaves("9", first))).Keys.ShouldBe(["correctsId"]);
    }

    [Fact]
    public async Task Pests_are_held_against_money_and_come_back_to_be_looked_at()
    {
        using var h = new TestHolding(demo: true);
        object Count(string count, string cost = "60") => new {
            bedId = 12, pest = "whitefly", count, on = "20", per = "plant", cost, price = "0.5", loss = "20", kills = "75",
            enemy = "tiny wasps", enemies = "8"
        };
        ((double)(await h.Post("/api/judge/pests/threshold", Count("0")))["value"]!).ShouldBe(8);
        await h.Post("/api/judge/pests", Count("60"));
        var bed = await h.Get("/api/judge/brix/bed/12");
        ((string)bed["pests"]![0]!["shown"]!).ShouldBe("60 whitefly on 20: 3 a plant, threshold 8 from money; tiny wasps 0.4");
        ((string)bed["hold"]!["value"]!["word"]!).ShouldBe("wait", "no leaf was read there, and the count speaks alone");
        (await h.Get("/api/today"))["items"]!.ToJsonString().ShouldNotContain("pests-12");
        h.Clock.Advance(TimeSpan.FromDays(7.1));
        (await h.Get("/api/today"))["items"]!.ToJsonString().ShouldContain("Look again at whitefly, Glass Lean-to");
        await h.Post("/api/judge/pests", Count("200"));
        ((string)(await h.Get("/api/judge/brix/bed/12"))["hold"]!["value"]!["word"]!).ShouldBe("act");
        (await h.Get("/api/today"))["items"]!.ToJsonString().ShouldNotContain("pests-12", Case.Sensitive, "it was counted again");
        (await h.Refused("/api/judge/pests", Count("60", "-3"))).Keys.ShouldBe(["cost"]);
        (await h.Refused("/api/judge/pests", Count("60", "1e-3"))).Keys.ShouldBe(["cost"]);
        (await h.Refused("/api/judge/pests", new { bedId = 12, pest = "whitefly", count = "3", enemies = "2" })).Keys
            .ShouldBe(["enemy", "threshold"]);
    }

    [Fact]
    public async Task Today_asks_for_pests_on_the_day_that_the_bed_s_own_page_says()
    {
        using var h = new TestHolding(demo: true);
        await h.Post("/api/judge/pests", new { bedId = 7, pest = "aphids", count = "2", per = "plant", threshold = "10" });
        var days = (double)(await h.Get("/api/judge/brix/bed/7"))["hold"]!["value"]!["lookAgainDays"]!;
        days.ShouldBeLessThan(7, "its leaves were read, and speak along");
        h.Clock.Advance(TimeSpan.FromDays(days - 0.5));
        (await h.Get("/api/today"))["items"]!.ToJsonString().ShouldNotContain("pests-7");
        h.Clock.Advance(TimeSpan.FromDays(1));
        (await h.Get("/api/today"))["items"]!.ToJsonString().ShouldContain("pests-7");
    }

    [Fact]
    public async Task Pests_and_leaves_are_read_together_by_the_line_in_force()
    {
        using var h = new TestHolding(demo: true);
        await h.Post("/api/judge/pests", new { bedId = 7, pest = "aphids", count = "2", per = "plant", threshold = "10" });
        var bed = await h.Get("/api/judge/brix/bed/7");
        ((string)bed["hold"]!["value"]!["word"]!).ShouldBeOneOf("hold", "feed");
        await h.Post("/api/holding/forks/brix-line", new { school = "twelve" });
        var twelve = await h.Get("/api/judge/brix/bed/7");
        ((double)twelve["standing"]!["value"]!["line"]!).ShouldBe(12);
        ((string)twelve["hold"]!["value"]!["word"]!).ShouldBe("feed");
        (await h.Refused("/api/judge/pests", new { bedId = 0, pest = "", count = "-1", per = "tree", threshold = "0" })).Keys
            .ShouldBe(["pest", "count", "per", "threshold", "bedId"]);
    }

    [Fact]
    public async Task The_demos_leaves_go_back_eighteen_months_and_its_pair_hints()
    {
        using var h = new TestHolding(demo: true);
        var currants = (await h.Get("/api/ground"))["beds"]!.AsArray().Single(b => (string)b!["name"]! == "Currant Rows")!;
        var bed = await h.Get($"/api/judge/brix/bed/{currants["id"]}");
        var visits = bed["visits"]!.AsArray();
        visits.Count.ShouldBeGreaterThan(35);
        (h.Now - (DateTimeOffset)visits[0]!["at"]!).TotalDays.ShouldBeGreaterThan(480);
        bed["hints"]!.AsArray().Select(x => (string)x!["id"]!).ShouldContain("top-and-bottom");
        bed["applied"]!.AsArray().Count.ShouldBeGreaterThan(2);
        ((double)bed["noise"]!).ShouldBeInRange(0.3, 0.7);
    }

    [Fact]
    public async Task The_practice_plot_keeps_nothing_and_refuses_nonsense()
    {
        using var h = new TestHolding(demo: true);
        var (status, shown) = await h.Send("/api/judge/practice", new { seed = 3, replicates = 5, layout = "blocks" }, null);
        status.ShouldBe(200);
        shown["value"]!["plots"]!.AsArray().Count.ShouldBe(10);
        shown["value"]!["truth"].ShouldBeNull();
        var (_, told) = await h.Send("/api/judge/practice", new { seed = 3, replicates = 5, layout = "blocks", decision = "works" }, null);
        ((int)told["value"]!["truth"]!["yours"]!["tries"]!).ShouldBe(1000);
        (await h.Refused("/api/judge/practice", new { seed = 3, replicates = 500, layout = "rings" })).Keys
            .ShouldBe(["replicates", "layout"]);
    }
}
