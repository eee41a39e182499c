using System.Text.Json.Nodes;

namespace MudPie.Server.Tests;

/// <summary>Odd jobs: other units, bottles past their date, brews struck and put out again, dates that come round.</summary>
public sealed class TankMoreTests : IDisposable
{
    private readonly TestHolding _h = new();

    public void Dispose() => _h.Dispose();

    private async Task<int> Input(string name, string kind) => (int)(await _h.Post("/api/shelf/inputs", new { name, kind }))["id"]!;

    private Task<JsonNode> Lot(int input, string mark, string amount, int? expiresInDays = null) =>
        _h.Post($"/api/shelf/inputs/{input}/lots", new {
            mark, origin = "bought", amount, from = _h.Now.AddDays(-30),
            expires = expiresInDays is { } d ? _h.Now.AddDays(d) : (DateTimeOffset?)null
        });

    private static object Job(string[] seen, string? mixWhy, params (int Input, string Rate)[] items) =>
        new {
            purpose = "leaf", bedIds = new[] { 1 }, rate = "500 L/ha",
            items = items.Select(i => new { inputId = i.Input, rate = i.Rate, basis = "per100m2" }), tool = "can", tank = "10 L",
            spare = "0", mixWhy, cautionsSeen = seen
        };

    private async Task<string[]> Cautions(object job) =>
        [.. (await _h.Post("/api/put-out/tank/work-out", job))["cautions"]!.AsArray().Select(c => (string)c!["id"]!)];

    private async Task<string> Left(int input) => (string)(await _h.Get("/api/shelf"))["inputs"]!.AsArray()
        .Single(i => (int)i!["id"]! == input)!["leftShown"]!;

    [Fact]
    public async Task In_gallons_the_same_job_is_the_same_job()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var input = await Input("seaweed", "seaweed");
        var metric = (await _h.Post("/api/put-out/tank/work-out", Job([], null, (input, "20 ml"))))["value"]!;
        await _h.Post("/api/holding/units", new { units = "usCustomary" });
        var us = (await _h.Post("/api/put-out/tank/work-out", Job([], null, (input, "20 ml"))))["value"]!;
        foreach (var part in new[] { "mixL", "products", "beds", "loads", "loadCount" })
        {
            us["job"]![part]!.ToJsonString().ShouldBe(metric["job"]![part]!.ToJsonString(), part);
        }

        ((string)us["verdict"]!["sentence"]!).ShouldContain("gal");
        ((string)us["cost"]!["says"]!).ShouldNotContain("hectare");
        var bare = await _h.Refused("/api/put-out/tank/work-out", new {
            purpose = "leaf", bedIds = new[] { 1 }, rate = "500",
            items = new[] { new { inputId = input, rate = "20 ml", basis = "per1000ft2" } }, tool = "can", tank = "10 L"
        });
        bare["rate"].ShouldContain("500 L/ha"); // a bare rate can be read two ways there
        ((string)us["mixShown"]!).ShouldContain("gal");
        ((string)us["loads"]![0]!["waterInTools"]!).ShouldNotContain("jug");
        ((string)(await _h.Post("/api/notes/read", new { text = "picked 10 lb fennel" }))["understood"]!["sentence"]!).ShouldContain(
            "10 lb");
    }

    [Fact]
    public async Task A_lot_past_its_date_is_left_and_the_job_says_what_is_short()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var input = await Input("seaweed", "seaweed");
        await Lot(input, "old", "5 L", 3);
        await Lot(input, "new", "10 ml");
        _h.Clock.Advance(TimeSpan.FromDays(5));
        var job = Job([], null, (input, "20 ml"));
        var worked = await _h.Post("/api/put-out/tank/work-out", job);
        ((string)worked["value"]!["draws"]![0]!["short"]!).ShouldBe("30 mL short");
        var seen = await Cautions(job);
        (await _h.Refused("/api/put-out/tank", Job([.. seen.Except(["stock-short"])], null, (input, "20 ml"))))["items"].ShouldContain(
            "30 mL short");
        (await _h.Get("/api/today"))["items"]!.AsArray().Select(i => (string)i!["title"]!).ShouldContain("Seaweed, old, is past its date");
        (await Left(input)).ShouldBe("10 mL"); // what is good

        // It was used all the same: the record keeps it whole, the book stands at nought and asks to be counted.
        await _h.Post("/api/put-out/tank", Job(seen, null, (input, "20 ml")));
        (await Left(input)).ShouldBe("0 L");
        var lots = (await _h.Get("/api/shelf"))["inputs"]!.AsArray().Single(i => (int)i!["id"]! == input)!["lots"]!.AsArray();
        lots.Select(l => (string)l!["says"]!).ShouldContain("the book was short: count it");
        var book = (await _h.Get("/api/book/book.json"))["lines"]!.AsArray()
            .Where(l => (string)l!["kind"]! == "stock" && (string)l["lot"]! == "new").ToList();
        double Sum(string why) => book.Where(l => (string)l!["why"]! == why)
            .Sum(l => double.Parse((string)l!["amount"]!, System.Globalization.CultureInfo.InvariantCulture));
        (Sum("used"), Sum("more")).ShouldBe((-0.04, 0.03), "what was used, and by how much the book was wrong");
    }

    [Fact]
    public async Task Two_items_of_one_input_are_never_planned_from_the_same_litre()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var input = await Input("seaweed", "seaweed");
        await Lot(input, "one", "50 ml");
        var job = Job([], null, (input, "20 ml"), (input, "20 ml")); // 40 mL each, of 50
        var draws = (await _h.Post("/api/put-out/tank/work-out", job))["value"]!["draws"]!.AsArray();
        draws.Select(d => (string?)d!["short"]).ShouldBe([null, "30 mL short"]);
    }

    [Fact]
    public async Task Two_bottles_that_fall_out_as_stone_are_refused_unless_there_are_words_for_it()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var (oil, sulphur) = (await Input("summer oil", "soap"), await Input("wettable sulphur", "sulphurSpray"));
        object Both(string[] seen, string? why) => Job(seen, why, (oil, "20 ml"), (sulphur, "20 g"));
        var seen = await Cautions(Both([], null));
        (await _h.Refused("/api/put-out/tank", Both(seen, "short")))["mixWhy"].ShouldContain("Never in one tank");
        await _h.Post("/api/put-out/tank", Both(seen, "our adviser's jar test of 3 May"));
        (await _h.Refused("/api/put-out/tank",
            Job(await Cautions(Job([], null, (oil, "20 ml"))), null, (oil, "20 ml"))))["mixWhy"].ShouldContain("Wait 14 days");
        _h.Clock.Advance(TimeSpan.FromDays(15));
        await _h.Post("/api/put-out/tank", Job(await Cautions(Job([], null, (oil, "20 ml"))), null, (oil, "20 ml")));
    }

    [Fact]
    public async Task A_brew_that_was_struck_is_there_to_put_out_again()
    {
        var batch = await _h.Started();
        _h.Clock.Advance(TimeSpan.FromHours(5));
        await _h.Post($"/api/brew/batches/{batch}/log", new { kind = "oxygen", value = "7.8" });
        object Out(string[] seen) => new {
            batchId = batch, brew = "10 L", dilution = "1:5", bedIds = new[] { 1 }, tool = "can",
            tank = "10 L", strip = "0", cautionsSeen = seen
        };
        var id = (int)(await _h.Post("/api/put-out/tank", Out(await Cautions(Out([])))))["id"]!;
        ((string)(await _h.Get($"/api/brew/batches/{batch}"))["state"]!).ShouldBe("used");
        (await _h.Refused("/api/put-out/tank/work-out", Out([])))["batch"].ShouldContain("not there");
        await _h.Post($"/api/book/jobs/{id}/strike", new { why = "the pump never started" });
        ((string)(await _h.Get($"/api/brew/batches/{batch}"))["state"]!).ShouldBe("off");
        await _h.Post("/api/put-out/tank", Out(await Cautions(Out([]))));
        (await _h.Get("/api/judge/brix"))["pairs"]!.AsArray().Count.ShouldBe(1); // the struck one is no spray to read around
    }

    [Fact]
    public async Task A_giving_whose_job_was_struck_is_to_be_done_again()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var input = await Input("seaweed", "seaweed");
        var start = DateOnly.FromDateTime(_h.Now.UtcDateTime);
        var programme = (int)(await _h.Post("/api/put-out/programmes", new { bedId = 1, start, harvest = start.AddDays(100) }))["id"]!;
        var giving = (int)(await _h.Post($"/api/put-out/programmes/{programme}/givings",
            new { kind = "seaweed", on = start, purpose = "leaf", oneIn = "1:300" }))["id"]!;
        (await _h.Get("/api/today"))["items"]!.AsArray().Select(i => (string)i!["title"]!).ShouldContain("Liquid seaweed on Ridge Bed 4");
        object Job(string[] seen) =>
            new {
                purpose = "leaf", bedIds = new[] { 1 }, rate = "300",
                items = new[] { new { inputId = input, rate = "1:300", basis = "oneIn" } }, tool = "can", tank = "10 L",
                cautionsSeen = seen, givingId = giving
            };
        var id = (int)(await _h.Post("/api/put-out/tank", Job(await Cautions(Job([])))))["id"]!;
        (await _h.Get("/api/today"))["items"]!.AsArray().Select(i => (string)i!["title"]!)
            .ShouldNotContain("Liquid seaweed on Ridge Bed 4");
        await _h.Post($"/api/book/jobs/{id}/strike", new { why = "wrong bottle" });
        ((bool)(await _h.Get("/api/put-out/programmes"))["programmes"]![0]!["givings"]![0]!["done"]!).ShouldBeFalse();
    }

    [Fact]
    public async Task A_season_of_the_same_bed_that_overlaps_is_the_same_season()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var start = new DateOnly(2026, 4, 1);
        var one = (int)(await _h.Post("/api/put-out/programmes", new { bedId = 1, start, harvest = start.AddDays(100) }))["id"]!;
        ((int)(await _h.Post("/api/put-out/programmes",
            new { bedId = 1, start = start.AddDays(7), harvest = start.AddDays(110) }))["id"]!).ShouldBe(one);
        ((int)(await _h.Post("/api/put-out/programmes",
            new { bedId = 1, start = start.AddYears(1), harvest = start.AddYears(1).AddDays(90) }))["id"]!).ShouldNotBe(one);
    }

    [Fact]
    public async Task Flour_is_weighed_when_a_recipe_spoons_it()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var flour = (int)(await _h.Post("/api/shelf/inputs", new { name = "oat flour", kind = "oatFlour", density = "0.5" }))["id"]!;
        await Lot(flour, "O-1", "1 kg");
        (await _h.Refused("/api/shelf/inputs",
            new { id = flour, name = "oat flour", kind = "oatFlour", unit = "L" }))["unit"].ShouldContain("other unit already");
        var id = (int)(await _h.Post("/api/brew/batches", new {
            bedIds = new[] { 1 }, purpose = "leaf", useAt = _h.Now.AddHours(48),
            warmthC = 18, swingC = 2, making = "tea", foods = new[] { new { kind = "oatFlour", ml = 20.0 } }
        }))["id"]!;
        _h.Clock.SetUtcNow((await _h.Get($"/api/brew/batches/{id}"))["plannedStart"]!.GetValue<DateTimeOffset>());
        await _h.Post($"/api/brew/batches/{id}/start", new { strip = "0" });
        (await Left(flour)).ShouldBe("990 g"); // 20 mL at 0.5 kg/L
    }

    [Fact]
    public async Task A_lot_judged_unfit_is_brewed_from_no_more_and_drawn_from_no_more()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var compost = (await _h.Get("/api/shelf"))["inputs"]!.AsArray()
            .First(i => (string)i!["kind"]! == "compost")!["id"]!.GetValue<int>();
        await Lot(compost, "heap", "40 L");
        await _h.Post("/api/ground/inputs", new {
            id = compost, version = (await _h.Get("/api/ground"))["inputs"]!.AsArray()
            .Single(i => (int)i!["id"]! == compost)!["version"], name = "compost", kind = "compost", unfitWhy = "smells of ammonia"
        });
        var lot = (await _h.Get("/api/shelf"))["inputs"]!.AsArray().First(i => (int)i!["id"]! == compost)!;
        ((string)lot["lots"]![0]!["says"]!).ShouldBe("judged unfit: leave it");
        ((string)lot["leftShown"]!).ShouldBe("0 L");
    }

    [Fact]
    public async Task Two_windows_on_one_sprayer_and_the_second_is_told()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        await _h.Post("/api/put-out/sprayers", new { name = "knapsack", kind = "knapsack", tank = "15 L", past = "new" });
        var version = (await _h.Get("/api/put-out/sprayers"))[0]!["version"]!.GetValue<Guid>();
        object As(string pressure) => new { id = 1, version, name = "knapsack", kind = "knapsack", tank = "15 L", past = "new", pressure };
        await _h.Post("/api/put-out/sprayers", As("2"));
        (await _h.Send("/api/put-out/sprayers", As("3"), null)).Status.ShouldBe(409);
        ((double)(await _h.Get("/api/put-out/sprayers"))[0]!["pressureBar"]!).ShouldBe(2);
        (await _h.Refused("/api/put-out/sprayers",
            new { name = "knapsack", kind = "can", tank = "8 L", past = "new" }))["name"].ShouldContain("already");
    }

    [Theory]
    [InlineData("ha", "perHa", "2 L", 2000)]
    [InlineData("m2", "perHa", "2 L", 0.2)]
    [InlineData("m2", "per100m2", "20 ml", 0.2)]
    [InlineData("ha", "per100m2", "20 ml", 2000)]
    [InlineData("litre", "perLitre", "2 ml", 2)]
    [InlineData("litre", "oneIn", "1:499", 2)]
    [InlineData("plant", "perPlant", "5 ml", 5)]
    public async Task The_label_s_dose_stands_beside_in_the_same_terms(string per, string basis, string rate, double mL)
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var id = (int)(await _h.Post("/api/shelf/inputs", new {
            name = "spores", kind = "sporeInoculant", labelPer = "mL",
            species = new[] { new { name = "one", count = "1e8" } }, labelRate = rate, labelBasis = basis
        }))["id"]!;
        var dose = (await _h.Post("/api/put-out/dose/work-out",
            new { inputId = id, target = "1e6", per, count = "10" }))["dose"]!["value"]!;
        ((double)dose["byLabel"]!).ShouldBe(mL * 10, 1e-9);
        ((string)dose["sentence"]!).ShouldContain("label's own dose");
        var item = (await _h.Get($"/api/put-out/tank/start?input={id}&bed=1"))["value"]!["items"]![0]!;
        var tank = await _h.Send("/api/put-out/tank/work-out", new {
            bedIds = new[] { 1 }, purpose = "root", rate = "500", tank = "15 L", tool = "a can", spare = "5", items = new[] { item }
        }, null);
        tank.Status.ShouldBe(basis == "perPlant" ? 422 : 200, tank.Reply.ToJsonString()); // plants have to be counted first
    }

    [Fact]
    public async Task The_sun_s_hours_there_are_said_and_before_the_holding_is_set_up_they_are_not()
    {
        (await _h.Http.GetAsync("/api/put-out/sun")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound);
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var sun = (await _h.Get("/api/put-out/sun"))["value"]!;
        sun["nextSet"]!.GetValue<DateTimeOffset>().Hour.ShouldBe(20); // about 20:20 UTC in June at 52.5° N
        ((string)sun["state"]!).ShouldBe("day");
    }
}
