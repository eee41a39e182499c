using System.Text.Json.Nodes;
using MudPie.Core.Brewing;

namespace MudPie.Server.Tests;

/// <summary>The brewhouse over HTTP and real SQLite.</summary>
public class BrewhouseTests : IDisposable
{
    private readonly TestHolding _h = new();

    public void Dispose()
    {
        _h.Dispose();
        GC.SuppressFinalize(this);
    }

    [Fact]
    public async Task The_water_bench_mixes_by_the_newest_strips_and_keeps_a_strip_with_its_picture()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        await _h.Post("/api/ground/waters", new { name = "Rain", kind = "rain", chloramine = false });
        var mix = (await _h.Post("/api/brew/water/work-out",
            new { pours = new[] { new { waterId = 1, amount = "60 L" }, new { waterId = 2, amount = "0.12 m3" } } }))["value"]!;
        ((double)mix["mix"]!["mgPerL"]!).ShouldBe(0.2, 1e-9);
        ((string)mix["ways"]![0]!["amountShown"]!).ShouldBe("90 mg");
        ((string)mix["ways"]![0]!["costShown"]!).ShouldBe("not known");
        await _h.Post("/api/ground/inputs", new { name = "vitamin C", kind = "ascorbicAcid", price = "20" });
        mix = (await _h.Post("/api/brew/water/work-out", new { pours = new[] { new { waterId = 1, amount = "600 L" } } }))["value"]!;
        ((string)mix["ways"]![0]!["costShown"]!).ShouldBe("0.02"); // 900 mg of 20 a kilogram

        var strip = (int)(await _h.Post("/api/ground/waters/1/strips", new { strip = "0" }))["id"]!;
        using var content =
            new ByteArrayContent(
                Convert.FromBase64String(
                    "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=="));
        content.Headers.ContentType = new("image/png");
        content.Headers.Add("Idempotency-Key", Guid.NewGuid().ToString());
        (await _h.Http.PostAsync($"/api/brew/water/strips/{strip}/photo", content)).EnsureSuccessStatusCode();
        var newest = (await _h.Get("/api/brew/water/strips"))[0]!;
        ((double)newest["mgPerL"]!).ShouldBe(0);
        (await _h.Http.GetAsync($"/api/brew/photos/{newest["photoId"]}")).Content.Headers.ContentType!.MediaType.ShouldBe("image/jpeg");
        (await _h.Refused("/api/brew/water/work-out",
            new { pours = new[] { new { waterId = 9, amount = "1 L" }, new { waterId = 1, amount = "-3" } } })).Keys
            .ShouldBe(["pours[0].waterId", "pours[1].amount"]);
    }

    [Fact]
    public async Task A_lot_is_asked_once_and_its_ruling_follows_it_into_every_brew()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var sources = await _h.Get("/api/brew/sources");
        foreach (var lot in sources.AsArray())
        {
            await _h.Post($"/api/brew/sources/{lot!["id"]}/check",
                new { manure = "raw", diseased = "no", heatsWhenTurned = "no", smell = "earthy" });
        }

        var plan = (await _h.Post("/api/brew/plan", _h.Plan()))["value"]!;
        var good = plan["sourceInputId"];
        good.ShouldBeNull(); // every lot is unfit: none is taken
        var id = (int)sources.AsArray().First(s => (string)s!["kind"]! == "castings")!["id"]!;
        var mine = (await _h.Post("/api/brew/plan", new {
            bedIds = new[] { 1 }, purpose = "leaf", useAt = _h.Now.AddHours(48), warmthC = 18,
            sourceInputId = id
        }))["value"]!;
        ((string)mine["plan"]!["verdict"]!["sentence"]!).ShouldBe("Not from this source.");
        var batch = (int)(await _h.Post("/api/brew/batches", new {
            bedIds = new[] { 1 }, purpose = "leaf", useAt = _h.Now.AddHours(48),
            warmthC = 18, sourceInputId = id
        }))["id"]!;
        _h.Clock.Advance(TimeSpan.FromHours(20));
        await _h.Post($"/api/brew/batches/{batch}/start", new { strip = "0" });
        ((string)(await _h.Get($"/api/brew/batches/{batch}"))["watch"]!["value"]!["gate"]!["fitness"]!).ShouldBe("notFit");

        // Asked again, and the answer is another: the newest counts, the older is kept.
        await _h.Post($"/api/brew/sources/{id}/check", new {
            manure = "none", diseased = "no", heatsWhenTurned = "no", smell = "earthy",
            moisture = "wrungOut", sterilised = "no"
        });
        var again = (await _h.Get("/api/brew/sources")).AsArray().First(s => (int)s!["id"]! == id)!;
        ((string)again["ruling"]!["value"]!["fitness"]!).ShouldBe("fit");
        ((int)again["earlier"]!).ShouldBe(1);
        (await _h.Refused($"/api/brew/sources/{id}/check", new { manure = "some" })).Keys.ShouldContain("manure");
    }

    [Fact]
    public async Task Living_ground_is_said_on_every_plan_for_it()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        await _h.Post("/api/brew/ground-checks", new { bedId = 1, kind = "cotton", weeks = 7, figure = 0.75 });
        (await _h.Post("/api/brew/plan", _h.Plan()))["value"]!["plan"]!["groundSays"]!.AsArray().ShouldBeEmpty("one kind is not known yet");
        await _h.Alive(1, 12);
        var plan = (await _h.Post("/api/brew/plan", _h.Plan()))["value"]!["plan"]!;
        ((string)plan["groundSays"]![0]!).ShouldContain("alive already");
        (await _h.Refused("/api/brew/ground-checks", new { bedId = 1, kind = "cotton", weeks = 99, figure = 4 })).Keys
            .ShouldBe(["weeks", "figure"], ignoreOrder: true);
        (await _h.Refused("/api/brew/ground-checks", new { bedId = 77, kind = "spade" })).Keys.ShouldBe(["kind", "bedId"],
            ignoreOrder: true);
    }

    [Fact]
    public async Task A_recipe_is_kept_in_versions_written_read_back_the_same_and_scaled_into_a_plan()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var file = JsonNode.Parse(await _h.Http.GetStringAsync("/api/brew/recipes/start:0/file"))!;
        file["name"] = "Evening tea";
        var first = (int)(await _h.Post("/api/brew/recipes", new { file }))["id"]!;
        var line = (await _h.Get("/api/brew/recipes"))[0]!;
        file["note"] = "less fish";
        file["foods"]![0]!["ml"] = 4;
        var second = (int)(await _h.Post("/api/brew/recipes", new { recipeId = (int)line["recipeId"]!, file }))["id"]!;
        second.ShouldNotBe(first);
        var own = (await _h.Get("/api/brew/recipes"))[0]!;
        ((int)own["version"]!).ShouldBe(2);
        own["versions"]!.AsArray().Count.ShouldBe(2);

        var written = await _h.Http.GetStringAsync($"/api/brew/recipes/v:{second}/file");
        (await _h.Refused("/api/brew/recipes/bring", new { json = written })).Keys.ShouldContain("name"); // it is there already
        var elsewhere = written.Replace("Evening tea", "From a neighbour");
        var brought = (int)(await _h.Post("/api/brew/recipes/bring", new { json = elsewhere }))["id"]!;
        (await _h.Http.GetStringAsync($"/api/brew/recipes/v:{brought}/file")).ShouldBe(elsewhere);

        var plan = (await _h.Post("/api/brew/plan", new {
            bedIds = new[] { 1 }, purpose = "leaf", useAt = _h.Now.AddHours(48), warmthC = 18,
            recipe = $"v:{second}"
        }))["value"]!;
        ((string)plan["recipeName"]!).ShouldBe("Evening tea");
        ((double)plan["plan"]!["foods"]![0]!["litres"]!).ShouldBe(0.004 * (double)plan["plan"]!["brewL"]! / 17, 1e-6);
        foreach (var (json, field) in new[] { ("{", "json"), ("{\"format\":\"x\"}", "format"),
            (elsewhere.Replace("forLitres\": 17", "forLitres\": \"many\""), "json"),
            (elsewhere.Replace("\"note\"", "\"secret\""), "json") })
        {
            (await _h.Refused("/api/brew/recipes/bring", new { json })).Keys.ShouldContain(field, json);
        }

        (await _h.Refused("/api/brew/plan", new {
            bedIds = new[] { 1 }, purpose = "leaf", useAt = _h.Now.AddHours(48), warmthC = 18,
            recipe = "v:999"
        })).Keys.ShouldContain("recipe");
    }

    [Fact]
    public void The_schema_in_the_docs_is_the_schema_of_what_is_read()
    {
        var path = Path.Combine(ArchitectureTests.Root(), "docs", "formats", "recipe.schema.json");
        var schema = MudPie.Server.Calculators.Calculator.SchemaOf(typeof(RecipeFile), "recipe",
            "A Mud Pie recipe, version 1. See recipe.md.")
            .ToJsonString(new System.Text.Json.JsonSerializerOptions(MudPie.Server.Web.Json.Options) { WriteIndented = true }) + "\n";
        if (Environment.GetEnvironmentVariable("MUDPIE_WRITE_SCHEMA") is not null)
        {
            File.WriteAllText(path, schema);
        }

        File.ReadAllText(path).ShouldBe(schema);
    }

    [Fact]
    public async Task The_air_bench_is_kept_with_the_vessel_and_plans_breathe_with_it()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var before = (double)(await _h.Post("/api/brew/plan", _h.Plan()))["value"]!["plan"]!["air"]!["atDepthLpm"]!;
        var view = await _h.Get("/api/brew/air/1");
        var bench = view["bench"]!;
        bench["pumps"]![0]!["count"] = "2";
        var worked = (await _h.Post("/api/brew/air/work-out", bench.ToJsonString()))["value"]!;
        ((double)worked["answer"]!["totalLpm"]!).ShouldBeGreaterThan(before);
        await _h.Post("/api/brew/air/1", bench.ToJsonString());
        ((double)(await _h.Post("/api/brew/plan", _h.Plan()))["value"]!["plan"]!["air"]!["atDepthLpm"]!).ShouldBeGreaterThan(before * 1.5);
        bench["outlets"]![0]!["depthM"] = "5";
        (await _h.Refused("/api/brew/air/1", bench.ToJsonString())).Keys.ShouldContain("pumps[0].shutOffKPa");
        (await _h.Http.GetAsync("/api/brew/air/99")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_plan_and_a_live_brew_are_asked_backwards_what_if_and_by_school()
    {
        var id = await _h.Started();
        _h.Clock.Advance(TimeSpan.FromHours(5));
        await _h.Post($"/api/brew/batches/{id}/log", new { kind = "oxygen", value = "8.1" });
        var back = (await _h.Post("/api/brew/backwards", new { plan = _h.Plan() }))["value"]!;
        back["most"]!.AsArray().Count.ShouldBe(7);
        ((string)back["leastAirShown"]!).ShouldContain("L/min");
        var live = (await _h.Post("/api/brew/what-if",
            new {
                batchId = id,
                whatIfs = new object[] { new { kind = "powerFails", atH = "8" }, new { kind = "secondPump" } }
            }))["value"]!;
        live["curves"]!.AsArray().Count.ShouldBe(3);
        ((double)live["nowH"]!).ShouldBe(5, 0.2);
        (await _h.Refused("/api/brew/what-if",
            new { batchId = id, whatIfs = new object[] { new { kind = "powerFails", atH = "2" } } })).Keys.ShouldContain("whatIfs[0].atH");
        ((await _h.Post("/api/brew/schools", new { plan = _h.Plan() }))["value"]!["runs"]!.AsArray().Count).ShouldBe(6);
        var after = (await _h.Post("/api/brew/after-air", new { batchId = id, battery = new { airLpm = 3, hours = 4 } }))["value"]!;
        ((double)after["holdMinutes"]!).ShouldBeInRange(1, 480);
        (await _h.Refused("/api/brew/schools", new { })).Keys.ShouldContain("plan");
        (await _h.Get("/api/brew/batches")).AsArray().Count.ShouldBe(1); // nothing was kept
    }

    [Fact]
    public async Task What_is_fed_or_hung_in_on_the_way_moves_the_forecast()
    {
        var id = await _h.Started();
        _h.Clock.Advance(TimeSpan.FromHours(4));
        async Task<double> Lowest() => (await _h.Get($"/api/brew/batches/{id}"))["watch"]!["value"]!["forecast"]!["median"]!.AsArray()
            .Min(p => (double)p!["mgPerL"]!);
        var plain = await Lowest();
        await _h.Post($"/api/brew/batches/{id}/log", new { kind = "fed", value = "2 tbsp molasses" });
        var sweet = await Lowest();
        sweet.ShouldBeLessThan(plain - 1);
        await _h.Post($"/api/brew/batches/{id}/log", new { kind = "airTo", value = "20 L/min" });
        (await Lowest()).ShouldBeGreaterThan(sweet + 0.5);
        (await _h.Refused($"/api/brew/batches/{id}/log", new { kind = "fed", value = "a lot of love" })).Keys.ShouldContain("value");
        await _h.Post($"/api/brew/batches/{id}/log", new { kind = "pathogen", value = "found" });
        ((string)(await _h.Get($"/api/brew/batches/{id}"))["watch"]!["value"]!["gate"]!["reasons"]![0]!).ShouldContain("gut germs");
    }

    [Fact]
    public async Task A_vessel_is_flagged_until_every_step_of_cleaning_is_logged()
    {
        var id = await _h.Started();
        _h.Clock.Advance(TimeSpan.FromHours(3));
        await _h.Post($"/api/brew/batches/{id}/heap", new { why = "dropped" });
        _h.Clock.Advance(TimeSpan.FromMinutes(5));
        async Task<bool> Flagged() => (await _h.Post("/api/brew/plan", _h.Plan()))["cautions"]!.AsArray()
            .Any(c => (string)c!["id"]! == "vessel-unclean");
        (await Flagged()).ShouldBeTrue();
        foreach (var (step, _, _) in CleanUp.Steps)
        {
            (await Flagged()).ShouldBeTrue();
            await _h.Post("/api/brew/vessels/1/clean", new { step });
        }

        (await Flagged()).ShouldBeFalse();
        ((bool)(await _h.Get("/api/brew/cleaning"))[0]!["clean"]!).ShouldBeTrue();
        (await _h.Refused("/api/brew/vessels/1/clean", new { step = "lick" })).Keys.ShouldContain("step");
    }

    [Fact]
    public async Task A_tally_is_kept_and_growth_between_two_is_the_brewers_proof()
    {
        var id = await _h.Started();
        object Tally(double bacteria) => new {
            fieldNumberMm = 18, objective = 40, coverSlipMm2 = 324, dropMl = 0.05, dilution = 1,
            fields = Enumerable.Range(0, 10).Select(_ => new { bacteria, hyphae = new[] { new { lengthUm = 80, widthUm = 2.5 } } })
        };
        var worked = (await _h.Post("/api/brew/tally/work-out", Tally(20)))["value"]!;
        ((double)worked["groups"]![0]!["perMl"]!).ShouldBe(20 * 40743.665, 10);
        await _h.Post("/api/brew/tallies", new { batchId = id, stage = "extracted", tally = Tally(5) });
        _h.Clock.Advance(TimeSpan.FromHours(6));
        await _h.Post("/api/brew/tallies", new { batchId = id, stage = "end", tally = Tally(60) });
        var all = await _h.Get("/api/brew/tallies");
        all["tallies"]!.AsArray().Count.ShouldBe(2);
        ((double)all["growth"]![0]!["times"]!).ShouldBeGreaterThan(1);
        ((double)(await _h.Post("/api/brew/tally/through",
            new { before = new[] { 20, 20, 20 }, after = new[] { 10, 10, 10 } }))["value"]!["share"]!).ShouldBe(0.5);
        (await _h.Refused("/api/brew/tallies", new { stage = "end", tally = new { } })).Keys.ShouldContain("tally.fieldNumberMm");
    }

    [Fact]
    public async Task A_brew_that_is_over_teaches_the_next_in_its_vessel()
    {
        var id = await _h.Started();
        foreach (var (h, mg) in new[] { (3.0, "7.6"), (6.0, "6.7"), (9.0, "6.2") })
        {
            _h.Clock.Advance(TimeSpan.FromHours(3));
            await _h.Post($"/api/brew/batches/{id}/log", new { kind = "oxygen", value = mg });
        }

        var watch = (await _h.Get($"/api/brew/batches/{id}"))["watch"]!["value"]!;
        watch["learntWords"]!.AsArray().Count.ShouldBeGreaterThan(0);
        var before = (double)(await _h.Post("/api/brew/plan", _h.Plan()))["value"]!["plan"]!["forecast"]!["probabilityBelow6"]!;
        await _h.Post($"/api/brew/batches/{id}/heap", new { why = "to make room" });
        _h.Clock.Advance(TimeSpan.FromSeconds(30));
        await Task.Delay(10, TestContext.Current.CancellationToken);
        var row = (await _h.Get("/api/brew/looking-back"))["brews"]![0]!;
        row["learnt"]!.AsArray().Count.ShouldBeGreaterThan(0);
        row["readings"]!.AsArray().Count.ShouldBe(3);
        (await _h.Get("/api/brew/looking-back?vessel=nowhere"))["brews"]!.AsArray().ShouldBeEmpty();
        before.ShouldBeInRange(0, 1);
    }

    [Fact]
    public async Task The_watch_says_a_thing_once_it_can_be_put_off_and_stays_quiet_when_seen_to()
    {
        var id = await _h.Started();
        _h.Clock.Advance(TimeSpan.FromHours(6));
        await _h.Look();
        await _h.Look();
        var notices = (await _h.Get("/api/watch"))["notices"]!.AsArray();
        var silent = notices.Single(n => (string)n!["rule"]! == "noReading")!;
        async Task<List<JsonNode>> Today() =>
            [.. (await _h.Get("/api/today"))["items"]!.AsArray()
                .Where(i => ((string)i!["id"]!).StartsWith("read-", StringComparison.Ordinal)).Select(i => i!)];
        ((int)(await Today())[0]["noticeId"]!).ShouldBe((int)silent["id"]!);
        await _h.Post($"/api/watch/{silent["id"]}/put-off", new { minutes = 30 });
        (await Today()).ShouldBeEmpty();
        _h.Clock.Advance(TimeSpan.FromMinutes(31));
        (await Today()).Count.ShouldBe(1);
        await _h.Post($"/api/watch/{silent["id"]}/done", new { });
        (await Today()).ShouldBeEmpty();
        await _h.Look();
        (await _h.Get("/api/watch"))["notices"]!.AsArray().Count(n => (string)n!["rule"]! == "noReading").ShouldBe(0);

        var seen = (await _h.Get("/api/watch"))["version"]!.GetValue<Guid>();
        await _h.Post("/api/watch/lines", new { noReadingH = 2, graceMinutes = 45, expectedShare = 0.3, version = seen });
        // the other window
        (await _h.Send("/api/watch/lines", new { noReadingH = 3, graceMinutes = 45, expectedShare = 0.3, version = seen }, null)).Status
            .ShouldBe(409);
        (await _h.Refused("/api/watch/lines", new { noReadingH = 0, graceMinutes = 45, expectedShare = double.MaxValue })).Keys
            .ShouldBe(["noReadingH", "expectedShare", "version"], ignoreOrder: true);
        await _h.Post($"/api/brew/batches/{id}/log", new { kind = "oxygen", value = "4.2" });
        await _h.Look();
        (await _h.Get("/api/watch"))["notices"]!.AsArray().Select(n => (string)n!["rule"]!).ShouldContain("below6Now");
        await _h.Post($"/api/brew/batches/{id}/heap", new { why = "4.2 at hour six" });
        await _h.Look();
        (await _h.Get("/api/watch"))["notices"]!.AsArray().ShouldBeEmpty(); // over: nothing stands
    }

    [Fact]
    public async Task The_calendar_is_iCalendar_with_a_steady_name_for_each_step()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var id = (int)(await _h.Post("/api/brew/batches", _h.Plan()))["id"]!;
        var text = await _h.Http.GetStringAsync("/api/calendar.ics");
        text.ShouldStartWith("BEGIN:VCALENDAR");
        var read = Ical.Net.Calendar.Load(text)!;
        read.Events.Select(e => e.Uid).ShouldContain($"batch-{id}-source@mudpie");
        var source = (await _h.Get($"/api/brew/batches/{id}"))["steps"]!.AsArray()
            .Single(s => (string)s!["id"]! == "source")!["at"]!.GetValue<DateTimeOffset>();
        read.Events.Single(e => e.Uid == $"batch-{id}-source@mudpie").Start!.AsUtc.ShouldBe(source.UtcDateTime);
        await _h.Post($"/api/brew/batches/{id}/steps/shop", new { });
        (await _h.Http.GetStringAsync("/api/calendar.ics")).ShouldNotContain($"batch-{id}-shop");
    }

    [Fact]
    public async Task The_practice_brew_keeps_nothing_and_tells_the_truth_only_at_the_end()
    {
        (await _h.Get("/api/brew/practice")).AsArray().Count.ShouldBe(6);
        var going = (await _h.Post("/api/brew/practice",
            new { situation = "pump", seed = 1, nowH = 9, deeds = new[] { new { atH = 8.0, kind = "oxygen" } } }))["value"]!;
        going["end"].ShouldBeNull();
        going.ToJsonString().ShouldNotContain("truth\":[");
        var over = (await _h.Post("/api/brew/practice", new {
            situation = "pump", seed = 1, nowH = 9,
            deeds = new[] { new { atH = 8.0, kind = "oxygen" }, new { atH = 9.0, kind = "heap" } }
        }))["value"]!;
        over["end"]!["truth"]!.AsArray().Count.ShouldBe(97);
        (await _h.Refused("/api/brew/practice", new { situation = "pump", seed = 1, nowH = 900 })).Keys.ShouldContain("nowH");
    }

    [Fact]
    public async Task The_card_has_a_square_that_leads_to_the_batch()
    {
        var id = await _h.Started();
        var svg = await _h.Http.GetAsync($"/api/brew/batches/{id}/qr.svg");
        svg.Content.Headers.ContentType!.MediaType.ShouldBe("image/svg+xml");
        (await svg.Content.ReadAsStringAsync(TestContext.Current.CancellationToken)).ShouldContain("<svg");
    }
}
