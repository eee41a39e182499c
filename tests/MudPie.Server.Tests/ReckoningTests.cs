using System.Globalization;
using System.Text.Json.Nodes;

namespace MudPie.Server.Tests;

/// <summary>The reckoning of a year: one set of sums for its rows, its cuts, the tank, the goals and the table; from a doubt to a trial;
/// the season ahead; where organisms are lost.</summary>
public sealed class ReckoningTests
{
    private static async Task<JsonNode> Read(TestHolding h, string query = "") => await h.Get($"/api/judge/reckoning{query}");

    private static JsonNode Row(JsonNode r, string name) => r["rows"]!.AsArray().First(x => (string)x!["name"]! == name)!;

    [Fact]
    public async Task The_demos_year_adds_up_however_it_is_cut()
    {
        using var h = new TestHolding(demo: true);
        var r = await Read(h);
        var rows = r["rows"]!.AsArray();
        var put = rows.Sum(x => (double)x!["hours"]!);
        (put + r["beside"]!.AsArray().Sum(b => (double)b!["hours"]!)).ShouldBe((double)r["hours"]!, 1e-9);
        foreach (var split in r["splits"]!.AsArray())
        {
            split!["lines"]!.AsArray().Sum(l => (double)l!["hours"]!).ShouldBe(put, 1e-9, (string)split["by"]!);
            split["lines"]!.AsArray().Sum(l => (double)l!["money"]!).ShouldBe(rows.Sum(x => (double)x!["money"]!), 1e-6);
        }

        ((string)r["headline"]!).ShouldStartWith("You put in ");
        // by its ladder: an own trial that can't tell, one that pays, one nobody knows
        ((string)Row(r, "tea on garlic")["word"]!, (string)Row(r, "tea on garlic")["rung"]!).ShouldBe(("test again", "own"));
        ((string)Row(r, "liquid seaweed on dahlias")["word"]!).ShouldBe("keep");
        ((string)Row(r, "Rootbank spores on modules")["rung"]!).ShouldBe("nobody");
        ((string)Row(r, "copper for the hops on hops")["keptWhy"]!).ShouldContain("mildew");
        // best bargain first, and nothing shown to pay among them
        var nets = r["find"]!.AsArray().Select(f => (double)f!["net"]!).ToList();
        nets.ShouldBe(nets.OrderDescending());
        r["find"]!.AsArray().Select(f => (string)f!["key"]!).ShouldNotContain((string)Row(r, "liquid seaweed on dahlias")["key"]!);
        rows.Sum(x => (string)x!["word"]! != "keep" && x["keptWhy"] is null ? (double)x["hours"]! : 0).ShouldBeLessThanOrEqualTo(
            (double)r["freed"]!["hours"]!);
        Row(r, "tea on garlic")["claims"]!.AsArray().Select(c => (string)c!).ShouldContain("tea-feeds");
    }

    [Fact]
    public async Task A_trials_row_is_its_own_answer_by_its_price_less_what_it_cost()
    {
        using var h = new TestHolding(demo: true);
        var row = Row(await Read(h), "tea on garlic");
        var answer = (await h.Get("/api/judge/trials/1/answer"))["answer"]!["value"]!["verdicts"]!.AsArray().First(v => (string)v!["of"]!
            == "tea")!;
        var cost = ((double)row["money"]! + ((double)row["hours"]! * 12)) / (double)row["hectares"]!;
        ((double)row["mean"]!).ShouldBe(((double)answer["difference"]! * 20_000) - cost, 1e-6);
        ((double)row["lower"]!).ShouldBe(((double)answer["lower"]! * 20_000) - cost, 1e-6);
        row["beside"]!.AsArray().ShouldContain(b => ((string)b!).Contains("takes off 450 a hectare", StringComparison.Ordinal));
    }

    [Fact]
    public async Task An_hour_ground_and_years_can_be_played_with_and_nonsense_is_refused()
    {
        using var h = new TestHolding(demo: true);
        var (once, twice) = (await Read(h), await Read(h, "?hour=24"));
        var name = "Threadwork granules on garlic";
        var (a, b) = (Row(once, name), Row(twice, name));
        var perHa = (double)a["hours"]! * 12 / (double)a["hectares"]!;
        ((double)b["mean"]!).ShouldBe((double)a["mean"]! - perHa, 1e-6);
        var wide = Row(await Read(h, "?hectares=100&years=10"), name);
        ((double)wide["find"]!["net"]!).ShouldBeGreaterThan((double)a["find"]!["net"]!);
        ((string)wide["find"]!["ground"]!).ShouldContain("for 10 years");
        foreach (var (query, field) in new[] { ("hectares=0", "hectares"), ("years=0", "years"), ("hectares=-1", "hectares"),
            ("hour=-2", "hour"),
            ("years=NaN", "years"), ("hectares=1e300", "hectares") })
        {
            using var reply = await h.Http.GetAsync($"/api/judge/reckoning?{query}", TestContext.Current.CancellationToken);
            ((int)reply.StatusCode).ShouldBe(422, query);
            (await reply.Content.ReadAsStringAsync(TestContext.Current.CancellationToken)).ShouldContain(field);
        }
    }

    [Fact]
    public async Task Minutes_and_prices_are_said_once_and_the_tank_goes_by_them_too()
    {
        using var h = new TestHolding(demo: true);
        var terms = (await Read(h))["terms"]!;
        var before = await Tank(h);
        var change = (int?)terms["change"];
        await h.Post("/api/judge/reckoning/terms", new {
            change, hourly = "12", hoursAWeek = "4", water = "", trip = "0.5",
            minutes = new Dictionary<string, string> { ["out-set"] = "75" },
            crops = new Dictionary<string, string> { ["fennel"] = "2.2", ["garlic"] = "2.4" },
        });
        var r = await Read(h);
        var steps = Row(r, "liquid seaweed on fennel")["steps"]!.AsArray();
        ((string)steps[0]!["name"]!).ShouldBe("setting out, and washing up after");
        (await Tank(h) - before).ShouldBe(12, 0.01); // an hour more of setting out, at 12
        var brix = r["terms"]!["steps"]!.AsArray().First(s => (string)s!["id"]! == "look-brix")!;
        ((double)brix["minutes"]!).ShouldBe(10); // the house's again
        (await h.Refused("/api/judge/reckoning/terms", new { change, hourly = "13" })).Keys.ShouldBe(["change"]);
        var newest = (int?)r["terms"]!["change"];
        (await h.Refused("/api/judge/reckoning/terms", new {
            change = newest, hourly = "lots", hoursAWeek = "400",
            minutes = new Dictionary<string, string> { ["out-set"] = "-3", ["nap"] = "9" },
            crops = new Dictionary<string, string> { ["garlic"] = "free" },
        })).Keys.ShouldBe(["minutes.out-set", "minutes.nap", "crops.garlic", "hoursAWeek", "hourly"], ignoreOrder: true);
    }

    /// <summary>What a tank of seaweed on a bed of fennel costs.</summary>
    private static async Task<double> Tank(TestHolding h)
    {
        var seaweed = (await h.Get("/api/shelf"))["inputs"]!.AsArray().First(i => (string)i!["name"]! == "liquid seaweed")!;
        var job = await h.Post("/api/put-out/tank/work-out", new {
            bedIds = new[] { 5 }, purpose = "root", rate = "500", tool = "can", tank = "10 L", spare = "0",
            items = new[] { new { inputId = (int)seaweed["id"]!, rate = "2 L", basis = "perHa" } }, cautionsSeen = Array.Empty<string>(),
        });
        return double.Parse((string)job["value"]!["cost"]!["batch"]!, CultureInfo.InvariantCulture);
    }

    [Fact]
    public async Task A_thing_may_be_kept_for_other_reasons_and_that_be_taken_back()
    {
        using var h = new TestHolding(demo: true);
        var before = await Read(h);
        var row = Row(before, "tea on beetroot");
        await h.Post("/api/judge/reckoning/kept", new { practice = (string)row["key"]!, why = "the smell of it" });
        var kept = await Read(h);
        ((string)Row(kept, "tea on beetroot")["keptWhy"]!).ShouldBe("the smell of it");
        ((string)Row(kept, "tea on beetroot")["word"]!).ShouldBe((string)row["word"]!); // the word stays what it is
        ((double)before["freed"]!["hours"]! - (double)kept["freed"]!["hours"]!).ShouldBe((double)row["hours"]!, 1e-9);
        await h.Post("/api/judge/reckoning/kept", new { practice = (string)row["key"]!, why = " " });
        Row(await Read(h), "tea on beetroot")["keptWhy"].ShouldBeNull();
        (await h.Refused("/api/judge/reckoning/kept", new { why = "x" })).Keys.ShouldBe(["practice"]);
        (await h.Refused("/api/judge/reckoning/kept", new { practice = "a.b", why = new string('x', 201) })).Keys.ShouldBe(["why"]);
    }

    [Fact]
    public async Task A_doubt_fills_the_trial_bench_and_the_bench_takes_it()
    {
        using var h = new TestHolding(demo: true);
        var r = await Read(h);
        foreach (var name in new[] { "tea on garlic", "gypsum on oats and vetch", "Rootbank spores on modules" })
        {
            var find = Row(r, name)["find"]!;
            var plan = (await h.Get("/api" + ((string)find["plan"]!).Replace("/judge/new?reckoned=", "/judge/reckoning/plan?practice=",
                StringComparison.Ordinal))).AsObject();
            ((string)find["title"]!).ShouldContain($"{(int)plan["replicates"]!} ");
            plan["places"] = new JsonArray(new JsonObject { ["name"] = "Long ground", ["length"] = "100 m", ["width"] = "6 m" });
            var id = (int)(await h.Post("/api/judge/trials", plan))["id"]!;
            var trial = await h.Get($"/api/judge/trials/{id}");
            ((string)trial["question"]!).ShouldBe((string)plan["question"]!);
            trial["treatments"]!.AsArray().Count.ShouldBe(name == "gypsum on oats and vetch" ? 2 : 3);
        }

        using var none = await h.Http.GetAsync("/api/judge/reckoning/plan?practice=nothing.here", TestContext.Current.CancellationToken);
        ((int)none.StatusCode).ShouldBe(404);
    }

    [Fact]
    public async Task The_table_holds_both_years_and_reads_as_numbers()
    {
        using var h = new TestHolding(demo: true);
        var csv = await h.Http.GetStringAsync("/api/judge/reckoning.csv", TestContext.Current.CancellationToken);
        var lines = csv.Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        var head = lines[0].Split(',');
        lines[1..].Select(l => l.Split(',')[0]).Distinct().Count().ShouldBe(2);
        var garlic = lines.First(l => l.Contains("tea on garlic,", StringComparison.Ordinal)).Split(',');
        double.Parse(garlic[Array.IndexOf(head, "hours")], CultureInfo.InvariantCulture).ShouldBe(
            (double)Row(await Read(h), "tea on garlic")["hours"]!, 1e-9);
        garlic.ShouldContain("test again");
    }

    [Fact]
    public async Task A_goal_counts_a_job_as_the_reckoning_does()
    {
        using var h = new TestHolding(demo: true);
        var goals = await h.Get("/api/look/goals");
        var jobs = goals["recent"]!.AsArray().Where(t => (string)t!["kind"]! == "job" && ((string)t["text"]!).Contains("seaweed on Glass",
            StringComparison.Ordinal)).ToList();
        jobs.Count.ShouldBe(3);
        jobs.Sum(j => (double)j!["hours"]!).ShouldBe((double)Row(await Read(h), "liquid seaweed on dahlias")["hours"]!, 1e-9);
        jobs.Sum(j => (double)j!["money"]!).ShouldBe((double)Row(await Read(h), "liquid seaweed on dahlias")["money"]!, 1e-9);
    }

    [Fact]
    public async Task A_holding_that_put_nothing_out_has_an_empty_reckoning_and_no_fault()
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        var r = await Read(h);
        r["rows"]!.AsArray().ShouldBeEmpty();
        ((string)r["headline"]!).ShouldBe("Nothing was put out this year yet.");
        ((string)(await h.Get("/api/judge/ahead"))["sentence"]!).ShouldNotBeNullOrEmpty();
        ((string)(await h.Get("/api/judge/harm"))["wants"]!).ShouldContain("Two counts");
    }

    [Fact]
    public async Task What_has_no_price_and_no_hour_is_not_known_and_no_nought()
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        await h.Post("/api/ground/inputs", new { name = "nettle water", kind = "nitrogenFeed" });
        var said = new { text = "used 2 L nettle water on ridge bed 4" };
        var seen = (await h.Post("/api/notes/read", said))["cautions"]!.AsArray().Select(c => (string)c!["id"]!).ToArray();
        await h.Post("/api/notes", new { said.text, cautionsSeen = seen });
        var r = await Read(h);
        var row = r["rows"]!.AsArray().ShouldHaveSingleItem()!;
        ((string)row["says"]!).ShouldContain("money not known (nettle water)");
        row["costShown"].ShouldBeNull();
        ((string)row["why"]!).ShouldContain("What it costs is not known");
        ((string)row["word"]!).ShouldBe("test or drop");
        r["find"]!.AsArray().ShouldBeEmpty();
    }

    [Fact]
    public async Task A_season_ahead_says_what_does_not_fit_and_what_could_go()
    {
        using var h = new TestHolding(demo: true);
        var a = await h.Get("/api/judge/ahead?hours=3");
        a["weeks"]!.AsArray().Count.ShouldBe(26);
        var could = a["couldGo"]!.AsArray();
        could.ShouldNotBeEmpty();
        var giving = a["weeks"]!.AsArray().SelectMany(w => w!["items"]!.AsArray()).First(i => (string)i!["kind"]! == "giving")!;
        var key = (string)giving["key"]!;
        var less = await h.Get($"/api/judge/ahead?hours=3&without={key}");
        ((double)a["hours"]! - (double)less["hours"]!).ShouldBe((double)giving["hours"]!, 1e-9);
        ((string)less["leftOut"]!.AsArray().ShouldHaveSingleItem()!["key"]!).ShouldBe(key);
        await h.Post($"/api/put-out/givings/{key.Split('-')[1]}/drop", new { });
        ((double)(await h.Get("/api/judge/ahead?hours=3"))["hours"]!).ShouldBe((double)less["hours"]!, 1e-9);
        using var reply = await h.Http.GetAsync("/api/judge/ahead?weeks=0", TestContext.Current.CancellationToken);
        ((int)reply.StatusCode).ShouldBe(422);
    }

    [Fact]
    public async Task Counts_at_a_machine_make_its_line_and_years_stand_apart()
    {
        using var h = new TestHolding(demo: true);
        var lines = (await h.Get("/api/judge/harm"))["lines"]!.AsArray();
        var boom = lines.First(l => ((string)l!["machine"]!).Contains("boom", StringComparison.Ordinal))!;
        ((string)boom["sentence"]!).ShouldContain("before the pump and behind the pump");
        lines.Select(l => (int)l!["year"]!).Distinct().Count().ShouldBeGreaterThan(1);
        object Tally(int n) => new {
            fields = new[] { new { bacteria = n }, new { bacteria = n + 1 } }, objective = 40, fieldNumberMm = 20,
            coverSlipMm2 = 324, dropMl = 0.05, dilution = 5
        };
        await h.Post("/api/brew/tallies", new { bedId = 2, stage = "soil", sprayerId = 1, tally = Tally(9) });
        (await h.Refused("/api/brew/tallies", new { batchId = 1, stage = "soil", tally = Tally(9) })).Keys.ShouldBe(["bedId"]);
        (await h.Refused("/api/brew/tallies", new { batchId = 1, stage = "nozzle", sprayerId = 999, tally = Tally(9) })).Keys
            .ShouldBe(["sprayerId"]);
        var knapsack = (await h.Get("/api/judge/harm"))["lines"]!.AsArray().First(l => ((string)l!["machine"]!).Contains("knapsack",
            StringComparison.Ordinal))!;
        ((string)knapsack["points"]!.AsArray()[^1]!["stage"]!).ShouldBe("soil");
        using var reply = await h.Http.GetAsync("/api/judge/harm?group=dogs", TestContext.Current.CancellationToken);
        ((int)reply.StatusCode).ShouldBe(422);
    }
}
