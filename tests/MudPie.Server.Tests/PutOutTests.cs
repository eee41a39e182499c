using System.Text.Json.Nodes;

namespace MudPie.Server.Tests;

/// <summary>From a bottle or a brew to the ground, the shelf and the book, over real SQLite.</summary>
public sealed class PutOutTests : IDisposable
{
    private readonly TestHolding _h = new();

    public void Dispose() => _h.Dispose();

    private async Task<int> Input(string name = "liquid seaweed", string kind = "seaweed", object? more = null) =>
        (int)(await _h.Post("/api/shelf/inputs", more ?? new {
            name, kind, price = "9.4", labelRate = "2 L", labelBasis = "perHa",
            labelEveryDays = "21"
        }))["id"]!;

    private async Task<int> Lot(int input, string mark, string amount, int? expiresInDays = null) =>
        (int)(await _h.Post($"/api/shelf/inputs/{input}/lots", new {
            mark, origin = "bought", amount, from = _h.Now.AddDays(-10),
            expires = expiresInDays is { } d ? _h.Now.AddDays(d) : (DateTimeOffset?)null, paid = "20"
        }))["id"]!;

    private async Task<int> Knapsack(string past = "biology", string? cleared = null) =>
        (int)(await _h.Post("/api/put-out/sprayers", new {
            name = "knapsack " + past, kind = "knapsack", tank = "15 L", past,
            clearedWhy = cleared, mesh = "50 mesh", pressure = "2"
        }))["id"]!;

    private static object Job(int input, int sprayer, string rate, params string[] seen) =>
        new {
            purpose = "leaf", bedIds = new[] { 1 }, rate = "500", items = new[] { new { inputId = input, rate, basis = "per100m2" } },
            sprayerId = sprayer, tank = "15 L", spare = "5", cautionsSeen = seen
        };

    private async Task<string[]> Cautions(object job) =>
        [.. (await _h.Post("/api/put-out/tank/work-out", job))["cautions"]!.AsArray().Select(c => (string)c!["id"]!)];

    private async Task<JsonNode> OnShelf(int input) => (await _h.Get("/api/shelf"))["inputs"]!.AsArray()
        .Single(i => (int)i!["id"]! == input)!;

    [Fact]
    public async Task A_bottle_goes_out_its_lots_fall_oldest_first_and_the_book_says_what_went_where()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var (input, sprayer) = (await Input(), await Knapsack());
        await Lot(input, "late", "1 L", 300);
        await Lot(input, "soon", "30 ml", 20);
        var job = Job(input, sprayer, "20 ml"); // 200 m² and 5 % spare: 42 mL
        var worked = (await _h.Post("/api/put-out/tank/work-out", job))["value"]!;
        ((string)worked["mixShown"]!).ShouldBe("10.5 L");
        worked["draws"]![0]!["lots"]!.AsArray().Select(l => ((string)l!["name"]!, (string)l["shown"]!))
            .ShouldBe([("soon", "30 mL"), ("late", "12 mL")]);
        (await _h.Refused("/api/put-out/tank", job)).Keys.ShouldBe(["cautionsSeen"]);
        var key = Guid.NewGuid().ToString();
        var seen = await Cautions(job);
        var id = (int)(await _h.Post("/api/put-out/tank", Job(input, sprayer, "20 ml", seen), key))["id"]!;
        // sent again on a bad connection: done once
        (await _h.Post("/api/put-out/tank", Job(input, sprayer, "20 ml", seen), key))["id"]!.GetValue<int>().ShouldBe(id);
        ((string)(await OnShelf(input))["leftShown"]!).ShouldBe("988 mL");
        var entry = (await _h.Get("/api/book?kind=job"))["entries"]!.AsArray().Single()!;
        entry["lines"]!.AsArray().Select(l => (string)l!).ShouldContain("12 mL of liquid seaweed, lot late");
        entry["lines"]!.AsArray().Select(l => (string)l!)
            .ShouldContain(l => l.StartsWith("cautions ticked: spraying", StringComparison.Ordinal));

        (await _h.Get("/api/today"))["items"]!.AsArray().Select(i => (string)i!["title"]!).ShouldContain("Wash up knapsack biology");
        await _h.Post($"/api/put-out/sprayers/{sprayer}/wash", new { applicationId = id });
        (await _h.Get("/api/today"))["items"]!.AsArray().Select(i => (string)i!["title"]!).ShouldNotContain("Wash up knapsack biology");
    }

    [Fact]
    public async Task Two_people_use_the_last_of_one_lot_at_the_same_moment_and_one_is_told()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var (input, sprayer) = (await Input(), await Knapsack());
        await Lot(input, "last", "50 ml");
        var job = Job(input, sprayer, "20 ml", await Cautions(Job(input, sprayer, "20 ml")));
        var both = await Task.WhenAll(Enumerable.Range(0, 6).Select(_ => _h.Send("/api/put-out/tank", job, null)));
        both.Count(b => b.Status == 200).ShouldBe(1);
        both.Where(b => b.Status != 200)
            .ShouldAllBe(b => b.Status == 422 && b.Reply["fields"]![0]!["field"]!.GetValue<string>() == "items");
        ((string)(await OnShelf(input))["leftShown"]!).ShouldBe("8 mL");
    }

    [Fact]
    public async Task What_leaves_the_lots_is_on_the_beds_in_the_spare_or_wasted()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var (input, sprayer) = (await Input(), await Knapsack());
        var lot = await Lot(input, "A", "1 L");
        var random = new Random(11);
        for (var i = 0; i < 6; i++)
        {
            var rate = $"{random.Next(2, 30)} ml";
            await _h.Post("/api/put-out/tank", Job(input, sprayer, rate, await Cautions(Job(input, sprayer, rate))));
        }

        await _h.Post($"/api/shelf/lots/{lot}/entries", new { reason = "spilt", amount = "15 ml", note = "knocked over" });
        await _h.Post($"/api/shelf/lots/{lot}/entries", new { reason = "count", amount = "300 ml", note = "measured in the jug" });
        var rows = (await _h.Get("/api/book/book.json"))["lines"]!.AsArray();
        double Sum(string kind, Func<JsonNode, bool> of) => rows.Where(r => (string)r!["kind"]! == kind && of(r!))
            .Sum(r => double.Parse((string)r!["amount"]!, System.Globalization.CultureInfo.InvariantCulture));
        var used = Sum("job-item", _ => true);
        Sum("stock", r => (string)r["why"]! == "used").ShouldBe(-used, 1e-9);
        Sum("stock", _ => true).ShouldBe(0.3, 1e-9);
        (1 - used - 0.015 + Sum("stock", r => (string)r["why"]! == "count")).ShouldBe(0.3, 1e-9);
    }

    [Fact]
    public async Task A_sprayer_that_held_weed_killer_is_refused_until_a_reason_clears_it_and_never_forgets()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var input = await Input();
        var bad = await Knapsack("poison");
        var cautions = await Cautions(Job(input, bad, "20 ml"));
        cautions.ShouldContain("sprayer-past");
        (await _h.Refused("/api/put-out/tank", Job(input, bad, "20 ml", cautions)))["sprayerId"].ShouldContain("weed-killer");
        var seen = (await _h.Get("/api/put-out/sprayers")).AsArray().Single(s => (int)s!["id"]! == bad)!["version"]!.GetValue<Guid>();
        object As(string past, string why) => new {
            id = bad, version = seen, name = "knapsack poison", kind = "knapsack", tank = "15 L",
            past, clearedWhy = why
        };
        (await _h.Refused("/api/put-out/sprayers", As("biology", "")))["past"].ShouldContain("does not go away");
        (await _h.Refused("/api/put-out/sprayers", As("poison", "washed")))["clearedWhy"].ShouldContain("no reason");
        await _h.Post("/api/put-out/sprayers", As("poison", "lab slip 114 finds none above 1 µg/L"));
        await _h.Post("/api/put-out/tank", Job(input, bad, "20 ml", await Cautions(Job(input, bad, "20 ml"))));
        ((string)(await _h.Get("/api/put-out/sprayers"))[0]!["clearedWhy"]!).ShouldStartWith("lab slip");
    }

    [Fact]
    public async Task A_calibration_is_kept_with_its_date_used_by_the_next_job_and_due_again()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var (input, sprayer) = (await Input(), await Knapsack());
        ((double)(await _h.Post("/api/put-out/sprayers/calibrate/work-out",
            new { used = "0.75 L", square = "25 m²" }))["value"]!["lPerHa"]!).ShouldBe(300, 1e-9);
        await _h.Post($"/api/put-out/sprayers/{sprayer}/calibrate", new { used = "0.75 L", square = "25 m²" });
        var job = new {
            purpose = "leaf", bedIds = new[] { 1 },
            items = new[] { new { inputId = input, rate = "20 ml", basis = "per100m2" } }, sprayerId = sprayer, spare = "0"
        };
        ((double)(await _h.Post("/api/put-out/tank/work-out", job))["value"]!["job"]!["mixL"]!).ShouldBe(6, 1e-9); // 200 m² at 300 L/ha
        _h.Clock.Advance(TimeSpan.FromDays(181));
        (await _h.Get("/api/today"))["items"]!.AsArray().Select(i => (string)i!["title"]!)
            .ShouldContain("Calibrate knapsack biology again");
        (await _h.Get("/api/put-out/sprayers"))[0]!["ruling"]!["value"]!["minds"]!.AsArray().Select(m => (string)m!)
            .ShouldContain(m => m.Contains("181 days old"));
    }

    [Fact]
    public async Task A_brew_on_a_bed_that_got_copper_yesterday_goes_only_with_words_that_are_kept()
    {
        var batch = await _h.Started();
        _h.Clock.Advance(TimeSpan.FromHours(4));
        await _h.Post($"/api/brew/batches/{batch}/log", new { kind = "oxygen", value = "7.8" });
        var copper = await Input("copper", "copperSpray", new { name = "copper", kind = "copperSpray" });
        var sprayer = await Knapsack();
        object Copper(params string[] seen) =>
            new {
                purpose = "leaf", bedIds = new[] { 1 }, rate = "500",
                items = new[] { new { inputId = copper, rate = "10 g", basis = "per100m2" } }, sprayerId = sprayer,
                at = _h.Now.AddHours(-24), cautionsSeen = seen
            };
        await _h.Post("/api/put-out/tank", Copper(await Cautions(Copper())));
        object Tea(string? why, params string[] seen) => new {
            batchId = batch, brew = "10 L", dilution = "1:5", bedIds = new[] { 1 },
            sprayerId = sprayer, strip = "0", mixWhy = why, cautionsSeen = seen
        };
        var cautions = await Cautions(Tea(null));
        (await _h.Refused("/api/put-out/tank", Tea(null, cautions)))["mixWhy"].ShouldContain("Wash the sprayer first: it held copper");
        await _h.Post($"/api/put-out/sprayers/{sprayer}/wash", new { });
        (await _h.Refused("/api/put-out/tank", Tea(null, cautions)))["mixWhy"].ShouldContain("Wait 9 days");
        await _h.Post("/api/put-out/tank", Tea("the copper was on the other end of the bed", cautions));
        (await _h.Get("/api/book?kind=job"))["entries"]![0]!["lines"]!.AsArray().Select(l => (string)l!)
            .ShouldContain("mixed against a rule: the copper was on the other end of the bed");
    }

    [Fact]
    public async Task An_own_mixing_rule_rules_until_it_is_taken_back()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        object Ask() => new {
            tank = new[] { new { name = "tea", @class = "brew" }, new { name = "seaweed", @class = "seaweed" } },
            lately = Array.Empty<object>(), chlorineMgPerL = "0"
        };
        ((string)(await _h.Post("/api/put-out/mixing/work-out", Ask()))["value"]!["pairs"]![0]!["says"]!).ShouldBe("fine");
        var id = (int)(await _h.Post("/api/put-out/mixing/rules",
            new { a = "seaweed", b = "brew", together = false, waitDays = "4", why = "label of the bottle" }))["id"]!;
        var pair = (await _h.Post("/api/put-out/mixing/work-out", Ask()))["value"]!["pairs"]![0]!;
        ((string)pair["says"]!, (bool)pair["own"]!).ShouldBe(("never", true));
        await _h.Post($"/api/put-out/mixing/rules/{id}/end", new { });
        ((string)(await _h.Post("/api/put-out/mixing/work-out", Ask()))["value"]!["pairs"]![0]!["says"]!).ShouldBe("fine");
    }

    [Fact]
    public async Task Starting_a_batch_takes_its_source_and_foods_from_the_lots_and_says_what_is_short()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var shelf = (await _h.Get("/api/shelf"))["inputs"]!.AsArray();
        int Id(string kind) => (int)shelf.First(i => (string)i!["kind"]! == kind)!["id"]!;
        await Lot(Id("compost"), "heap 1", "40 L");
        await Lot(Id("fishHydrolysate"), "F-1", "1 ml");
        var id = (int)(await _h.Post("/api/brew/batches", new {
            bedIds = new[] { 1 }, purpose = "leaf", useAt = _h.Now.AddHours(48),
            warmthC = 18, swingC = 2, making = "tea", source = "compost",
            foods = new[] { new { kind = "fishHydrolysate", ml = 8.0 } }
        }))["id"]!;
        var batch = await _h.Get($"/api/brew/batches/{id}");
        _h.Clock.SetUtcNow(batch["plannedStart"]!.GetValue<DateTimeOffset>());
        await _h.Post($"/api/brew/batches/{id}/start", new { strip = "0" });
        var left = (await OnShelf(Id("compost")))["lots"]![0]!["entries"]!.AsArray();
        left.Count.ShouldBe(2);
        ((string)left[0]!["link"]!).ShouldBe($"/brew/{id}");
        ((string)(await OnShelf(Id("fishHydrolysate")))["leftShown"]!).ShouldBe("0 L");
        (await _h.Get($"/api/brew/batches/{id}"))["log"]!.AsArray().Select(l => (string?)l!["text"])
            .ShouldContain(t => t != null && t.Contains("book is short of 7 mL of fish"));
    }

    [Fact]
    public async Task A_plan_of_two_weeks_that_takes_more_than_the_lots_hold_is_on_the_shopping_list()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var input = await Input();
        await Lot(input, "A", "20 ml");
        var start = DateOnly.FromDateTime(_h.Now.UtcDateTime);
        var programme = (int)(await _h.Post("/api/put-out/programmes", new { bedId = 1, start, harvest = start.AddDays(100) }))["id"]!;
        // 2 L/ha on 200 m²: 40 mL
        await _h.Post($"/api/put-out/programmes/{programme}/givings", new { kind = "seaweed", on = start.AddDays(3), purpose = "leaf" });
        var buy = (await _h.Get("/api/shelf"))["toBuy"]!.AsArray().Single()!;
        ((string)buy["amountShown"]!, (string)buy["for"]!).ShouldBe(("20 mL", "liquid seaweed on Ridge Bed 4"));
    }
}
