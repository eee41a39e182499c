using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace MudPie.Server.Tests;

/// <summary>A trial over HTTP and real SQLite: planned, drawn, measured, judged, and sent as a file.</summary>
public sealed class TrialTests
{
    private static object Plan(Guid? version = null, string question = "Does tea lift fennel more than water alone?", int replicates = 4,
        string? noWater = null) => new {
            version,
            question,
            crop = "fennel",
            season = "this spring",
            design = "blocks",
            kind = "beds",
            liquid = true,
            factors = new[] { "treatment" },
            treatments = new object[]
        {
            new { name = "nothing", role = "control" },
            new { name = noWater is null ? "water only" : "extract", role = noWater is null ? "water" : "treatment", water = "1 L" },
            new { name = "tea", role = "treatment", rate = "100 mL", rateBasis = "perM2", water = "1 L" },
        },
            noWaterWhy = noWater,
            replicates,
            noise = "0.15",
            worthHaving = "0.2",
            places = new[] { new { name = "Ridge Bed 4", length = "30 m", width = "1.2 m" },
            new { name = "Ridge Bed 5", length = "30 m", width = "1.2 m" } },
            measures = new object[] { new { kindId = "yieldM2" },
                new { name = "slugs", unit = "a plot", kind = "amount", low = 0, high = 40,
            lowerIsBetter = true } },
            blind = true,
        };

    private static async Task<(TestHolding H, int Id)> Drawn()
    {
        var h = new TestHolding(demo: true);
        var id = (int)(await h.Post("/api/judge/trials", Plan()))["id"]!;
        await h.Post($"/api/judge/trials/{id}/layout", new { });
        return (h, id);
    }

    private static Task<JsonNode> Step(TestHolding h, int id, string step) => h.Post($"/api/judge/trials/{id}/steps", new { step });

    private static async Task<(int Status, JsonNode Reply)> Put(TestHolding h, int id, object body)
    {
        using var request = new HttpRequestMessage(HttpMethod.Put, $"/api/judge/trials/{id}") { Content = JsonContent.Create(body) };
        request.Headers.Add("Idempotency-Key", Guid.NewGuid().ToString());
        using var response = await h.Http.SendAsync(request);
        return ((int)response.StatusCode, JsonNode.Parse(await response.Content.ReadAsStringAsync())!);
    }

    /// <summary>Figures in which tea truly gives half a kilo more than water.</summary>
    private static async Task Measure(TestHolding h, int id, int measure = 0)
    {
        var t = await h.Get($"/api/judge/trials/{id}");
        var key = (await h.Get($"/api/judge/trials/{id}/key")).AsArray();
        var m = (int)t["measures"]![measure]!["id"]!;
        foreach (var p in key)
        {
            var value = ((string)p!["treatment"]! switch { "nothing" => 2.5, "water only" => 2.7, _ => 3.2 })
                + (0.02 * ((int)p["number"]! % 4));
            await h.Post($"/api/judge/trials/{id}/readings", new {
                plotId = (int)p["id"]!, measureId = m,
                value = value.ToString("0.00", System.Globalization.CultureInfo.InvariantCulture)
            });
        }
    }

    [Fact]
    public async Task A_trial_goes_from_its_question_to_its_verdict()
    {
        var (h, id) = await Drawn();
        using var _ = h;
        var t = await h.Get($"/api/judge/trials/{id}");
        t["plots"]!.AsArray().Count.ShouldBe(12);
        t["plots"]!.AsArray().GroupBy(p => (string)p!["block"]!)
            .ShouldAllBe(g => g.Select(p => (string)p!["treatment"]!).Distinct().Count() == 3);
        t["curve"]!["value"]!["now"]!["replicates"]!.GetValue<int>().ShouldBe(4);
        await Step(h, id, "start");
        (await h.Get($"/api/judge/trials/{id}"))["plots"]!.AsArray().ShouldAllBe(p => p!["treatment"] == null, "codes are shut");
        await Measure(h, id);
        (await h.Http.GetAsync($"/api/judge/trials/{id}/answer")).StatusCode.ShouldBe(System.Net.HttpStatusCode.UnprocessableEntity);
        (await h.Http.GetAsync($"/api/judge/trials/{id}/trial.zip")).StatusCode.ShouldBe(System.Net.HttpStatusCode.UnprocessableEntity);
        await Step(h, id, "end");
        var told = await h.Get($"/api/judge/trials/{id}/answer");
        told["answer"]!["value"]!["verdict"]!.GetValue<string>().ShouldBe("works");
        told["answer"]!["value"]!["test"]!["name"]!.GetValue<string>().ShouldBe("analysis of variance in blocks");
        ((double)told["answer"]!["value"]!["dunnett"]!.AsArray().Single(c => (string)c!["of"]! == "tea")!["difference"]!).ShouldBe(0.5,
            0.06);
        told["waterSays"]!.GetValue<string>().ShouldStartWith("Watering alone did about");
        told["strength"]!.AsArray().ShouldContain(s => (string)s!["text"]! == "measured blind" && (bool)s["good"]!);
        (await h.Get("/api/judge/trials")).AsArray().Single(l => (int)l!["id"]! == id)!["verdict"]!.GetValue<string>().ShouldBe("works");
    }

    [Fact]
    public async Task A_layout_is_drawn_once_and_again_only_on_purpose()
    {
        var (h, id) = await Drawn();
        using var _ = h;
        var seed = (int)(await h.Get($"/api/judge/trials/{id}"))["seed"]!;
        (await h.Refused($"/api/judge/trials/{id}/layout", new { })).Keys.ShouldBe(["why"]);
        await h.Post($"/api/judge/trials/{id}/layout", new { why = "the top bed was dug over" });
        var t = await h.Get($"/api/judge/trials/{id}");
        ((int)t["seed"]!).ShouldNotBe(seed);
        t["events"]!.AsArray().Select(e => (string)e!["text"]!).ShouldContain(e => e.Contains("the top bed was dug over"));
        await Step(h, id, "start");
        (await h.Refused($"/api/judge/trials/{id}/layout", new { why = "I do not like it" }))["layout"].ShouldStartWith(
            "The trial has begun");
    }

    [Fact]
    public async Task A_figure_that_stands_is_only_put_right_with_a_reason_and_stays_readable()
    {
        var (h, id) = await Drawn();
        using var _ = h;
        var t = await h.Get($"/api/judge/trials/{id}");
        var (plot, measure) = ((int)t["plots"]![0]!["id"]!, (int)t["measures"]![0]!["id"]!);
        object Reading(string? value, string? why = null, bool anyway = false, string? missing = null, object? on = null) =>
            new { plotId = plot, measureId = measure, value, correctionWhy = why, keepAnyway = anyway, missingWhy = missing, on };
        var path = $"/api/judge/trials/{id}/readings";
        (await h.Refused(path, Reading("3.1")))["trial"].ShouldStartWith("The trial has not begun");
        await Step(h, id, "start");
        (await h.Refused(path, Reading("310")))["keepAnyway"].ShouldContain("Likely is 0.01 to 40");
        (await h.Refused(path, Reading("three")))["value"].ShouldContain("is no figure");
        (await h.Refused(path, Reading("NaN"))).Keys.ShouldBe(["value"]);
        (await h.Refused(path, Reading("")))["value"].ShouldContain("why the plot is missing");
        (await h.Refused(path, Reading("3/4"))).Keys.ShouldBe(["value"]);
        (await h.Refused(path, Reading("3", on: h.Now.AddDays(9)))).Keys.ShouldBe(["on"]);
        await h.Post(path, Reading("44.5", anyway: true));
        (await h.Refused(path, Reading("4.45")))["correctionWhy"].ShouldStartWith("44.5 stands there already");
        await h.Post(path, Reading("4,45", why: "the comma slipped"));
        await h.Post(path, Reading("4.45")); // the same again, from another window
        var sheet = await h.Get($"/api/judge/trials/{id}/sheet");
        var stands = sheet["readings"]!.AsArray().ShouldHaveSingleItem()!;
        ((double)stands["value"]!, (bool)stands["keptAnyway"]!).ShouldBe((4.45, false));
        stands["before"]!.AsArray().Select(b => (string)b!).ShouldBe(["44.5, put right: the comma slipped"]);
        await h.Post(path, Reading("", why: "it was the plot beside it", missing: "trodden on"));
        ((string)(await h.Get($"/api/judge/trials/{id}/sheet"))["readings"]![0]!["shown"]!).ShouldBe("missing: trodden on");
    }

    [Fact]
    public async Task A_figure_sent_twice_from_the_outbox_is_kept_once()
    {
        var (h, id) = await Drawn();
        using var _ = h;
        await Step(h, id, "start");
        var t = await h.Get($"/api/judge/trials/{id}");
        var body = new { plotId = (int)t["plots"]![3]!["id"]!, measureId = (int)t["measures"]![0]!["id"]!, value = "2.9", on = h.Now };
        var first = await h.Send($"/api/judge/trials/{id}/readings", body, "outbox-key-1");
        var again = await h.Send($"/api/judge/trials/{id}/readings", body, "outbox-key-1");
        again.Reply.ToJsonString().ShouldBe(first.Reply.ToJsonString());
        (await h.Get($"/api/judge/trials/{id}/sheet"))["readings"]!.AsArray().Count.ShouldBe(1);
    }

    [Fact]
    public async Task A_control_and_water_only_are_refused_only_with_a_reason()
    {
        using var h = new TestHolding(demo: true);
        var (status, reply) = await h.Send("/api/judge/trials", Plan(noWater: " "), null);
        status.ShouldBe(422);
        reply["fields"]!.AsArray().Select(f => (string)f!["field"]!).ShouldBe(["noWaterWhy"]);
        var id = (int)(await h.Post("/api/judge/trials", Plan(noWater: "no hose up there")))["id"]!;
        var t = await h.Get($"/api/judge/trials/{id}");
        ((string)t["noWaterWhy"]!).ShouldBe("no hose up there");
        t["strength"]!.AsArray().ShouldContain(s => !(bool)s!["good"]! && ((string)s["text"]!).Contains("no water-only plots"));
    }

    [Fact]
    public async Task Nonsense_in_a_plan_is_named_field_by_field_and_nothing_is_kept()
    {
        using var h = new TestHolding(demo: true);
        var before = (await h.Get("/api/judge/trials")).AsArray().Count;
        var wrong = await h.Refused("/api/judge/trials", new {
            question = "",
            crop = "",
            factors = Array.Empty<string>(),
            treatments = new[] { new { name = "only one" } },
            replicates = 0,
            noise = "-1",
            worthHaving = "much",
            places = new[] { new { name = "x", length = "-3 m", width = "lots" } },
            measures = new[] { new { kindId = "smell" } },
        });
        foreach (var field in new[] { "question", "crop", "design", "kind", "replicates", "noise", "worthHaving", "factors",
            "places[0].length", "places[0].width", "treatments", "measures[0].kindId" })
        {
            wrong.Keys.ShouldContain(field);
        }

        // a word that is none is answered with those that are
        (await h.Refused("/api/judge/trials", new { design = "by eye" }))["design"].ShouldContain("split-plot");
        (await h.Refused("/api/judge/trials", new { kind = "pond" }))["kind"].ShouldContain("strips");
        (await h.Refused("/api/judge/trials", new { })).Count.ShouldBeGreaterThan(5);
        (await h.Get("/api/judge/trials")).AsArray().Count.ShouldBe(before);
    }

    [Fact]
    public async Task Two_windows_do_not_overwrite_each_other_and_a_changed_plan_wants_a_new_draw()
    {
        var (h, id) = await Drawn();
        using var _ = h;
        var version = (Guid)(await h.Get($"/api/judge/trials/{id}"))["version"]!;
        (await Put(h, id, Plan(version, "Does tea lift fennel?"))).Status.ShouldBe(200);
        (await Put(h, id, Plan(version, "Does tea lift fennel at all?"))).Status.ShouldBe(409);
        var t = await h.Get($"/api/judge/trials/{id}");
        ((string)t["question"]!).ShouldBe("Does tea lift fennel?");
        t["plots"]!.AsArray().Count.ShouldBe(12, "the layout still fits");
        (await Put(h, id, Plan((Guid)t["version"]!, replicates: 6))).Status.ShouldBe(200);
        (await h.Get($"/api/judge/trials/{id}"))["plots"]!.AsArray().ShouldBeEmpty();
        await h.Post($"/api/judge/trials/{id}/layout", new { });
        await Step(h, id, "start");
        var (status, reply) = await Put(h, id, Plan((Guid)(await h.Get($"/api/judge/trials/{id}"))["version"]!, replicates: 5));
        status.ShouldBe(422);
        ((string)reply["fields"]![0]!["field"]!).ShouldBe("treatments");
    }

    [Fact]
    public async Task What_goes_on_leaves_the_shelf_and_stands_in_the_book()
    {
        using var h = new TestHolding(demo: true);
        var kelp = (await h.Get("/api/shelf"))["inputs"]!.AsArray().Single(i => (string)i!["name"]! == "liquid seaweed")!;
        var plan = System.Text.Json.JsonSerializer.SerializeToNode(Plan())!;
        plan["treatments"]![2]!["inputId"] = (int)kelp["id"]!;
        plan["treatments"]![2]!["rate"] = "5 mL";
        var id = (int)(await h.Post("/api/judge/trials", plan.ToJsonString()))["id"]!;
        await h.Post($"/api/judge/trials/{id}/layout", new { });
        var line = (await h.Get($"/api/judge/trials/{id}/amounts")).AsArray().Single(l => (string)l!["treatment"]! == "tea")!;
        // 72 m² in 12 plots: 6 m² each, four of them; 5 mL a m² and a tenth to spare.
        ((string)line["perPlotShown"]!, (string)line["inAllShown"]!, (bool)line["short"]!).ShouldBe(("30 mL", "132 mL", false));
        ((string)line["waterInAllShown"]!).ShouldBe("26.4 L");
        line["cautions"]!.AsArray().Select(c => (string)c!["id"]!).ShouldBe(["spraying", "run-off"]);
        await h.Post($"/api/judge/trials/{id}/steps", new { step = "treat", treatmentId = (int)line["treatmentId"]!, purpose = "leaf" });
        var book = (await h.Get("/api/book/book.json"))["lines"]!.AsArray();
        var item = book.Where(l => (string)l!["kind"]! == "job-item").Last()!;
        ((string)item["what"]!, (string)item["lot"]!, (string)item["amount"]!).ShouldBe(("liquid seaweed", "S-7", "0.12"));
        book.ShouldContain(l => (string)l!["kind"]! == "stock" && (string)l["lot"]! == "S-7" && (string)l["amount"]! == "-0.12");
        ((int)(await h.Get($"/api/judge/trials/{id}/amounts")).AsArray()
            .Single(l => (string)l!["treatment"]! == "tea")!["done"]!).ShouldBe(1);
        // By the grower's own rule it may not go on again so soon; with a reason it may, and the book keeps that.
        await h.Post("/api/put-out/mixing/rules",
            new { a = "seaweed", b = "seaweed", together = false, waitDays = "5", why = "salts add up" });
        var again = new { step = "treat", treatmentId = (int)line["treatmentId"]!, mixWhy = (string?)null };
        (await h.Refused($"/api/judge/trials/{id}/steps", again)).Keys.ShouldBe(["mixWhy"]);
        await h.Post($"/api/judge/trials/{id}/steps", again with { mixWhy = "the first round ran off in the rain" });
        (await h.Get("/api/book/book.json"))["lines"]!.ToJsonString().ShouldContain("the first round ran off in the rain");
        (await h.Refused($"/api/judge/trials/{id}/steps", new { step = "treat", treatmentId = 9999 })).Keys.ShouldBe(["treatmentId"]);
        (await h.Refused($"/api/judge/trials/{id}/steps", new { step = "open" })).Keys.ShouldBe(["step"]);
        (await h.Refused($"/api/judge/trials/{id}/steps", new { step = "jump" })).Keys.ShouldBe(["step"]);
    }

    [Fact]
    public async Task Several_measures_are_counted_against_the_verdict_and_one_date_alone_too()
    {
        var (h, id) = await Drawn();
        using var _ = h;
        await Step(h, id, "start");
        await Measure(h, id);
        await Measure(h, id, 1);
        await Step(h, id, "end");
        ((int)(await h.Get($"/api/judge/trials/{id}/answer"))["answer"]!["value"]!["looked"]!).ShouldBe(2);
        var beetroot = (await h.Get("/api/judge/trials")).AsArray().Single(t => (string)t!["crop"]! == "beetroot")!;
        await Step(h, (int)beetroot["id"]!, "open");
        var t = await h.Get($"/api/judge/trials/{beetroot["id"]}");
        var over = await h.Get($"/api/judge/trials/{beetroot["id"]}/answer");
        ((string)over["datesSay"]!).ShouldContain("2 dates made one figure a plot");
        over["answer"]!["value"]!["missing"]!.AsArray().ShouldHaveSingleItem()!.GetValue<string>().ShouldContain("slugs took it");
        var one = await h.Get(
            $"/api/judge/trials/{beetroot["id"]}/answer?on={Uri.EscapeDataString((string)t["measures"]![0]!["on"]![0]!)}");
        ((int)one["answer"]!["value"]!["looked"]!).ShouldBe(2);
        ((string)one["datesSay"]!).ShouldStartWith("one of 2 dates");
        // a third visit begins: the answer is what it was until that has come round
        await h.Post($"/api/judge/trials/{beetroot["id"]}/readings", new {
            plotId = (int)t["plots"]![0]!["id"]!, measureId = (int)t["measures"]![0]!["id"]!, on = "2026-06-10T00:00:00Z", value = "31"
        });
        var begun = await h.Get($"/api/judge/trials/{beetroot["id"]}/answer");
        ((string)begun["datesSay"]!).ShouldEndWith("10 Jun (1 of 24 plots) waits until each treatment was looked at");
        begun["answer"]!["value"]!["sentence"]!.ToJsonString().ShouldBe(over["answer"]!["value"]!["sentence"]!.ToJsonString());
    }

    [Theory]
    [InlineData("random", "beds", 1)]
    [InlineData("blocks", "strips", 1)]
    [InlineData("pair", "strips", 1)]
    [InlineData("factorial", "pots", 2)]
    [InlineData("split-plot", "beds", 2)]
    public async Task Every_design_can_be_drawn_measured_and_judged(string design, string kind, int factors)
    {
        using var h = new TestHolding(demo: true);
        object[] treatments = factors == 1
            ? [new { name = "nothing", role = "control" }, new { name = "castings", role = "treatment" }]
            : [.. new[] { "clay", "sand" }.SelectMany(s => new[] { "no char",
                "char" }.Select(c => (object)new { levels = new[] { s, c }, role = c == "no char" ? "control" : "treatment" }))];
        var id = (int)(await h.Post("/api/judge/trials", new {
            question = "Does it?",
            crop = "beetroot",
            design,
            kind,
            liquid = false,
            factors = factors == 1 ? new[] { "treatment" } : ["soil", "char"],
            treatments,
            replicates = 4,
            worthHaving = "1",
            places = new[] { new { name = "Ridge Bed 7", length = "30 m", width = "1.2 m" } },
            measures = new[] { new { kindId = "height" } },
            blind = false,
        }))["id"]!;
        await h.Post($"/api/judge/trials/{id}/layout", new { });
        await Step(h, id, "start");
        var t = await h.Get($"/api/judge/trials/{id}");
        // Noise by treatment and turn, and not by where the lot put a plot: the same whatever layout is drawn.
        int[][] noise = [[0, 3, 1, 4], [2, 0, 4, 1], [4, 1, 0, 3], [1, 4, 3, 0]];
        var turns = t["plots"]!.AsArray().Select(p => (string)p!["treatment"]!).Distinct().ToDictionary(n => n, _ => 0);
        foreach (var p in t["plots"]!.AsArray().OrderBy(p => (string?)p!["block"]).ThenBy(p => (int)p!["number"]!))
        {
            // Sand gives six more whatever is done; what is tested gives three.
            var name = (string)p!["treatment"]!;
            var value = 20 + (name.Contains("sand") ? 6 : 0) + (name is "castings" || name.EndsWith(", char", StringComparison.Ordinal)
                ? 3 : 0) + (0.2 * noise[turns.Keys.Order().ToList().IndexOf(name)][turns[name]]);
            turns[name]++;
            await h.Post($"/api/judge/trials/{id}/readings", new {
                plotId = (int)p["id"]!, measureId = (int)t["measures"]![0]!["id"]!,
                value = value.ToString("0.0", System.Globalization.CultureInfo.InvariantCulture)
            });
        }

        var told = (await h.Get($"/api/judge/trials/{id}/answer"))["answer"]!["value"]!;
        ((string)told["verdict"]!).ShouldBe("works", told["sentence"]!.ToJsonString());
        ((double)told["verdicts"]![0]!["difference"]!).ShouldBe(3, 0.6, "soil is what it is tried in, and is averaged over");
        told["verdicts"]!.AsArray().Count.ShouldBe(1);
        t["plots"]!.AsArray().Count.ShouldBe(4 * treatments.Length);
    }

    [Fact]
    public async Task A_photo_of_a_plot_is_kept_and_no_text_is_taken_for_one()
    {
        var (h, id) = await Drawn();
        using var _ = h;
        var plot = (int)(await h.Get($"/api/judge/trials/{id}"))["plots"]![0]!["id"]!;
        async Task<int> Send(byte[] bytes)
        {
            using var request = new HttpRequestMessage(HttpMethod.Post, $"/api/judge/trials/{id}/plots/{plot}/photos") {
                Content =
                new ByteArrayContent(bytes)
            };
            request.Content.Headers.ContentType = new("image/png");
            request.Headers.Add("Idempotency-Key", Guid.NewGuid().ToString());
            using var response = await h.Http.SendAsync(request);
            return (int)response.StatusCode;
        }

        (await Send("no picture"u8.ToArray())).ShouldBe(422);
        (await Send(Convert.FromBase64String(
            "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=="))).ShouldBe(200);
        (await h.Get($"/api/judge/trials/{id}"))["plots"]![0]!["photos"]!.AsArray().Count.ShouldBe(1);
    }

    [Fact]
    public async Task The_demos_four_trials_say_what_they_should()
    {
        using var h = new TestHolding(demo: true);
        var lines = (await h.Get("/api/judge/trials")).AsArray().ToDictionary(t => (string)t!["crop"]!, t => t!);
        ((string)lines["garlic"]["verdict"]!).ShouldBe("cannot tell yet");
        ((string)lines["dahlias for cutting"]["verdict"]!).ShouldBe("works");
        ((string)lines["dahlias for cutting"]["says"]!).ShouldContain("Nothing shows that both together do more");
        ((string)lines["oats and vetch"]["verdict"]!).ShouldBe("a look, not a test");
        ((string)lines["beetroot"]["state"]!, lines["beetroot"]["verdict"]).ShouldBe(("growing", null));
        lines.Values.Select(l => (int)l["plots"]!).ShouldBe([15, 24, 24, 2], ignoreOrder: true);
    }
}
