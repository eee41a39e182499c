using System.Text.Json.Nodes;

namespace MudPie.Server.Tests;

/// <summary>Solids into stock, book and thread; what failed lots may still do; by-products; blends.</summary>
public class SolidTests : IDisposable
{
    private readonly TestHolding _h = new(demo: true);

    public void Dispose()
    {
        _h.Dispose();
        GC.SuppressFinalize(this);
    }

    private async Task<JsonNode> Input(string name) => (await _h.Get("/api/shelf"))["inputs"]!.AsArray()
        .First(i => (string)i!["name"]! == name)!;

    private async Task<double> Left(string name) => double.Parse(((string)(await Input(name))["leftShown"]!).Split(' ')[0],
        System.Globalization.CultureInfo.InvariantCulture);

    private Task<JsonNode> Do(int id, object did) => _h.Post($"/api/works/{id}/steps", new { did });

    private async Task<JsonNode> Asked(string name, string by, string amount, params int[] beds) => new JsonObject {
        ["inputId"] = (int)(await Input(name))["id"]!, ["by"] = by, ["amount"] = amount,
        ["bedIds"] = new JsonArray([.. beds.Select(b => (JsonNode)b)])
    };

    [Fact]
    public async Task Castings_go_on_two_beds_into_stock_book_and_thread_and_a_strike_gives_them_back()
    {
        var was = await Left("castings from the bin");
        var asked = await Asked("castings from the bin", "square", "2 L", 2, 3);
        var worked = (await _h.Post("/api/put-out/solid/work-out", asked))["value"]!;
        ((string)worked["litresShown"]!).ShouldBe("144 L");
        ((string)worked["barrowsShown"]!).ShouldBe("2 barrows of 80 L");
        worked["lots"]!.AsArray().Count.ShouldBe(1);
        var job = (int)(await _h.Post("/api/put-out/solid", new { asked, why = "before the fennel" }))["id"]!;
        (await Left("castings from the bin")).ShouldBe(was - 144, 0.01);
        var entry = (await _h.Get("/api/book"))["entries"]!.AsArray().First(e => (string)e!["kind"]! == "job" && (int)e["id"]! == job)!;
        ((string)entry["title"]!).ShouldBe("castings from the bin on the ground");
        entry["lines"]!.ToJsonString().ShouldContain("Ridge Bed 1: 72 L");
        entry["lines"]!.ToJsonString().ShouldContain("before the fennel");
        (await _h.Get("/api/book/thread?of=bed-2"))["knots"]!.ToJsonString().ShouldContain("on the ground");
        (await _h.Http.GetStringAsync("/api/book/book.csv")).ShouldContain("solid");
        await _h.Post($"/api/book/jobs/{job}/strike", new { why = "it was the other heap" });
        (await Left("castings from the bin")).ShouldBe(was, 0.01);
    }

    [Fact]
    public async Task What_is_asked_wrongly_names_the_field_and_what_is_short_must_be_said()
    {
        var asked = await Asked("castings from the bin", "depth", "9 cm", 2, 3);
        var worked = (await _h.Post("/api/put-out/solid/work-out", asked))["value"]!;
        ((string)worked["verdict"]!["sentence"]!).ShouldContain("too thick");
        ((string)worked["shortShown"]!).ShouldNotBeEmpty();
        (await _h.Refused("/api/put-out/solid", new { asked }))["items"].ShouldContain("of what this takes");
        await _h.Post("/api/put-out/solid", new { asked, cautionsSeen = new[] { "stock-short" } });
        (await Left("castings from the bin")).ShouldBe(0, 0.01);
        (await _h.Refused("/api/put-out/solid/work-out", new { by = "square", amount = "3 L" }))["what"].ShouldNotBeEmpty();
        (await _h.Refused("/api/put-out/solid/work-out", new { what = "wood chip", by = "square", amount = "3 L" }))["beds"]
            .ShouldNotBeEmpty();
        (await _h.Refused("/api/put-out/solid/work-out", new { what = "wood chip", by = "square", amount = "3 L", bedIds = new[] { 999 } }))
            ["beds"].ShouldContain("not there");
        (await _h.Refused("/api/put-out/solid/work-out", new { inputId = 9999, by = "square", amount = "3 L" }))["inputId"]
            .ShouldContain("not on the shelf");
        (await _h.Refused("/api/put-out/solid", new { asked, at = _h.Now.AddDays(2) }))["at"].ShouldNotBeEmpty();
    }

    [Fact]
    public async Task What_lies_on_no_shelf_stands_in_the_book_by_its_name_and_manure_is_waited_for()
    {
        var asked = new { what = "hen manure", by = "square", amount = "1 kg", bedIds = new[] { 2 } };
        var job = (int)(await _h.Post("/api/put-out/solid", new { asked }))["id"]!;
        (await _h.Get("/api/book"))["entries"]!.AsArray().First(e => (string)e!["kind"]! == "job" && (int)e["id"]! == job)!["lines"]!
            .ToJsonString().ShouldContain("of hen manure");
        (await _h.Get("/api/book/waits"))["running"]!.ToJsonString().ShouldContain("hen manure");
    }

    [Fact]
    public async Task What_failed_its_gate_goes_out_for_a_written_reason_only()
    {
        var input = (int)(await Input("leaf-mould compost"))["id"]!;
        await _h.Post($"/api/brew/sources/{input}/check", new {
            kind = "compost", heatsWhenTurned = "yes", manure = "none", diseased = "no", smell = "earthy", moisture = "wrungOut"
        });
        var asked = await Asked("leaf-mould compost", "square", "2 L", 10);
        var unfit = (string)(await _h.Post("/api/put-out/solid/work-out", asked))["value"]!["unfit"]!;
        unfit.ShouldContain("still heats");
        (await _h.Refused("/api/put-out/solid", new { asked, overrideWhy = "so what" }))["overrideWhy"].ShouldContain("still heats");
        var job = (int)(await _h.Post("/api/put-out/solid", new {
            asked, cautionsSeen = new[] { "stock-short" },
            overrideWhy = "as a mulch under the hedge"
        }))["id"]!;
        (await _h.Get("/api/book"))["entries"]!.AsArray().First(e => (string)e!["kind"]! == "job" && (int)e["id"]! == job)!["lines"]!
            .ToJsonString().ShouldContain("put out though it failed: as a mulch under the hedge");
        var lot = (int)(await Input("leaf-mould compost"))["lots"]![0]!["id"]!;
        ((string)(await _h.Get($"/api/shelf/lots/{lot}/second-best"))["says"]!).ShouldBe("it is not finished");
    }

    [Fact]
    public async Task A_question_begins_in_the_holding_s_own_units()
    {
        var start = await _h.Get("/api/put-out/solid/start?beds=3");
        ((string)start["square"]!, (string)start["loose"]!["hectare"]!, (string)start["weighed"]!["square"]!)
            .ShouldBe(("a m²", "20 m3", "50 g"));
        await _h.Post("/api/holding/units", new { units = "usCustomary" });
        start = await _h.Get("/api/put-out/solid/start?beds=3");
        ((string)start["square"]!, (string)start["loose"]!["depth"]!).ShouldBe(("a sq ft", "1 in"));
        foreach (var by in new[] { "square", "depth", "hectare" })
        {
            var asked = start["start"]!.DeepClone();
            (asked["by"], asked["amount"]) = (by, (string)start["loose"]![by]!);
            ((string)(await _h.Post("/api/put-out/solid/work-out", asked))["value"]!["verdict"]!["sentence"]!).ShouldNotBeEmpty();
        }
    }

    [Fact]
    public async Task A_failed_lot_says_what_it_may_still_do()
    {
        var raw = await Input("char, raw");
        var lot = raw["lots"]![0]!;
        ((bool)lot["may"]!["fails"]!).ShouldBeTrue();
        var second = await _h.Get($"/api/shelf/lots/{(int)lot["id"]!}/second-best");
        ((string)second["says"]!).ShouldBe("raw char");
        second["answer"]!["value"]!["ways"]!.AsArray().Count.ShouldBeGreaterThan(2);
        var good = (int)(await Input("castings from the bin"))["lots"]![0]!["id"]!;
        (await _h.Http.GetAsync($"/api/shelf/lots/{good}/second-best")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NoContent);
        (await _h.Http.GetAsync("/api/shelf/lots/9999/second-best")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound);
        ((string)(await _h.Get("/api/brew/batches/14/second-best"))["says"]!).ShouldBe("its life is gone");
    }

    [Fact]
    public async Task Runs_are_pooled_to_a_lot_tested_and_the_blend_is_guessed()
    {
        var id = (int)(await _h.Post("/api/works/byproducts",
            new { asked = new { name = "grinder", what = "dried kitchen waste" } }))["id"]!;
        await Do(id, new { step = "run", what = "kitchen scraps", amount = "2 kg", setting = "2", hours = "9" });
        await Do(id, new { step = "run", what = "kitchen scraps", amount = "3 kg" });
        (await _h.Get("/api/make/yard"))["behind"]!.ToJsonString().ShouldContain("2 runs to pool");
        await Do(id, new { step = "pooled", amount = "4 L" });
        var view = await _h.Get($"/api/works/byproducts/{id}");
        ((string)view["pools"]![0]!["says"]!).ShouldBe("run 1: 40 %, run 2: 60 %");
        ((string)view["verdict"]!["tone"]!).ShouldBe("mind");
        var run = (int)view["runs"]![0]!["id"]!;
        (await _h.Refused($"/api/works/{id}/steps/{run}/strike", new { why = "another load" }))["id"].ShouldContain("in a pool");
        _h.Clock.Advance(TimeSpan.FromDays(3));
        (await _h.Get("/api/today"))["items"]!.ToJsonString().ShouldContain($"work-test-{id}");
        var lot = (int)view["pools"]![0]!["lotId"]!;
        ((string)(await _h.Get($"/api/shelf/lots/{lot}/second-best"))["says"]!).ShouldContain("salts");
        var start = (await _h.Get($"/api/sheets?lot={lot}"))["start"]!.AsObject();
        ((string)start["for"]!).ShouldBe("mix");
        start["rows"] = (await _h.Post("/api/sheets/read",
            new { text = "K 900 ppm\nMg 12 ppm\nEC 6 dS/m" }))["value"]!["rows"]!.DeepClone();
        var sheet = (int)(await _h.Post("/api/sheets", new { asked = start }))["id"]!;
        ((string)(await _h.Get($"/api/works/byproducts/{id}"))["verdict"]!["sentence"]!).ShouldContain("start small");
        (await _h.Http.GetAsync($"/api/shelf/lots/{lot}/second-best")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NoContent);
        var name = (string)(await Input("dried kitchen waste"))["name"]!;
        var mix = new JsonObject {
            ["name"] = "trial of it", ["into"] = "pots", ["pot"] = "3 L", ["parts"] = new JsonArray(
                new JsonObject { ["inputId"] = (int)(await Input(name))["id"]! }, new JsonObject { ["name"] = "pumice" }),
            ["mixes"] = new JsonArray(new JsonObject { ["name"] = "half", ["count"] = "1", ["shares"] = new JsonArray("50", "50") }),
        };
        var bench = (await _h.Post("/api/mix/work-out", mix))["value"]!;
        ((string)bench["verdict"]!["sentence"]!).ShouldBe("Start smaller with dried kitchen waste in half.");
        var job = (int)(await _h.Post("/api/mix", new { asked = mix }))["id"]!;
        var blend = (await _h.Get($"/api/sheets/blend?mix={job}"))[0]!;
        ((string)blend["verdict"]!["sentence"]!).ShouldContain("salts too high");
        ((string)blend["lines"]!.AsArray().First(l => (string)l!["name"]! == "potassium")!["guess"]!).ShouldBe("900 mg/L of extract");
        start["name"] = "the blend, tested";
        start["lotId"] = null;
        start["rows"] = (await _h.Post("/api/sheets/read", new { text = "K 120 ppm\nMg 44 ppm" }))["value"]!["rows"]!.DeepClone();
        var other = (int)(await _h.Post("/api/sheets", new { asked = start }))["id"]!;
        ((string)(await _h.Get($"/api/sheets/beside?of={sheet},{other}"))["sentence"]!)
            .ShouldBe("potassium from above to enough and magnesium from short to enough.");
        (await _h.Http.GetAsync("/api/sheets/beside?of=1,999")).StatusCode.ShouldBe(System.Net.HttpStatusCode.UnprocessableEntity);
        (await _h.Http.GetAsync("/api/sheets/blend?mix=999")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_can_of_char_carried_to_a_heap_is_a_layer_there_until_it_is_struck()
    {
        var before = (await _h.Get("/api/heaps/2"))["log"]!.AsArray().Count;
        var can = (int)(await Do(2, new { step = "carried", amount = "40 L", heapId = 2 }))["id"]!;
        var heap = await _h.Get("/api/heaps/2");
        heap["log"]!.AsArray().Count.ShouldBe(before + 1);
        heap["log"]!.ToJsonString().ShouldContain("char of burn 1");
        (await _h.Get("/api/works/burns/2"))["log"]!.ToJsonString().ShouldContain("40 L of char went to heap 2");
        var layer = (int)heap["log"]!.AsArray().First(l => ((string?)l!["note"] ?? "").StartsWith("char of",
            StringComparison.Ordinal))!["id"]!;
        (await _h.Refused($"/api/heaps/2/steps/{layer}/strike", new { why = "not here" }))["id"].ShouldContain("carried here");
        await _h.Post($"/api/works/2/steps/{can}/strike", new { why = "it went to heap 3" });
        (await _h.Get("/api/heaps/2"))["log"]!.AsArray().First(l => (int)l!["id"]! == layer)!["struck"]!.GetValue<bool>().ShouldBeTrue();
        (await _h.Refused("/api/works/2/steps", new { did = new { step = "carried", amount = "4 L", heapId = 99 } }))["heapId"]
            .ShouldContain("not there");
    }

    [Fact]
    public async Task Growth_stands_beside_the_nitrogen_of_the_mix_that_made_it_once_the_codes_are_open()
    {
        async Task<JsonNode> Job() => (await _h.Get("/api/mix/of-trial/2"))[0]!;
        var shut = await Job();
        ((string)shut["closedSays"]!).ShouldContain("once the codes are opened");
        shut["mixes"]!.AsArray().Sum(m => m!["growth"]!.AsArray().Count).ShouldBe(0);
        await _h.Post("/api/judge/trials/2/steps", new { step = "open" });
        var open = await Job();
        open["closedSays"].ShouldBeNull();
        foreach (var mix in open["mixes"]!.AsArray())
        {
            // Each mix stands in both soils of the trial: all of its eight plots, of which slugs took one.
            mix!["unmetSays"].ShouldBeNull();
            mix["growth"]!.AsArray().Count.ShouldBe(2);
            mix["growth"]![1]!["nitrogenShown"]!.ToString().ShouldContain("given");
        }

        open["mixes"]!.AsArray().Select(m => ((string)m!["growth"]![1]!["meanShown"]!).Split(", ")[1])
            .ShouldBe(["8 plots", "7 plots", "8 plots"]);
    }
}
