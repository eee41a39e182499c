using System.Text.Json.Nodes;
using MudPie.Core.Judging.Together;

namespace MudPie.Server.Tests;

/// <summary>One question in several gardens: by files, and between the holdings of a box.</summary>
public sealed class TogetherTests
{
    private static readonly string[] All = ["nothing", "water only", "extract", "tea"], Fewer = ["water only", "tea"];

    private static object Plan(string crop, string[] arms, int? protocolId = null) => new {
        protocolId, question = "Does tea lift garlic more than water alone?", crop, season = "2026", design = "blocks", kind = "beds",
        liquid = true, factors = new[] { "treatment" }, replicates = 4, worthHaving = "0.15", blind = true, noControlWhy = "as the others",
        places = new[] { new { name = "Long bed", length = "24 m", width = "1.2 m" } },
        treatments = arms.Select(a => new {
            name = a, role = a == "nothing" ? "control" : a == "water only" ? "water" : "treatment", rate = a == "tea" ? "20 mL" : "",
            rateBasis = "perM2", water = a == "nothing" ? "" : "1 L"
        }),
        measures = new[] { new { kindId = "yieldMetre", dates = "last" } },
    };

    private static async Task<JsonNode> Did(HttpClient who, string path, object body)
    {
        var (status, reply) = await TestHolding.Send(who, path, body);
        status.ShouldBe(200, $"{path}: {reply.ToJsonString()}");
        return reply;
    }

    private static async Task<string> Refused(HttpClient who, string path, object body)
    {
        var (status, reply) = await TestHolding.Send(who, path, body);
        status.ShouldBe(422, reply.ToJsonString());
        return string.Join("; ", reply["fields"]!.AsArray().Select(f => $"{f!["field"]}: {f["wrong"]}"));
    }

    private static Task<string> File(HttpClient who, string path) => who.GetStringAsync(path, TestContext.Current.CancellationToken);

    private static Task<JsonNode> View(HttpClient who, int id, string by = "") => TestBox.Get(who, $"/api/judge/together/{id}{by}");

    /// <summary>Grown and measured: water gives 3, tea more by so much, with a spread that is the same for all.</summary>
    private static async Task Grow(HttpClient who, int trial, double more, bool open = true)
    {
        await Did(who, $"/api/judge/trials/{trial}/layout", new { });
        var key = (await TestBox.Get(who, $"/api/judge/trials/{trial}"))["plots"]!.AsArray();
        await Did(who, $"/api/judge/trials/{trial}/steps", new { step = "start" });
        var view = await TestBox.Get(who, $"/api/judge/trials/{trial}");
        var measure = (int)view["measures"]![0]!["id"]!;
        double[] stray = [0.04, -0.05, 0.02, -0.01];
        foreach (var (plot, i) in key.Select((p, i) => (p!, i)))
        {
            var gave = 3 + (stray[i % 4] * ((i / 4 % 2 * 2) - 1)) + ((string)plot["treatment"]! == "tea" ? more : 0);
            await Did(who, $"/api/judge/trials/{trial}/readings", new {
                plotId = (int)plot["id"]!, measureId = measure,
                value = gave.ToString("0.000", System.Globalization.CultureInfo.InvariantCulture)
            });
        }

        if (open)
        {
            await Did(who, $"/api/judge/trials/{trial}/steps", new { step = "open" });
        }
    }

    private static async Task<int> Trial(HttpClient who, object plan) => (int)(await Did(who, "/api/judge/trials", plan))["id"]!;

    [Fact]
    public async Task A_protocol_goes_out_as_a_file_is_joined_with_fewer_arms_and_its_result_comes_back()
    {
        using var north = new TestHolding();
        using var south = new TestHolding();
        await north.Post("/api/holding/setup", TestHolding.SetUp);
        await south.Post("/api/holding/setup", TestHolding.SetUp);
        var first = await Trial(north.Http, Plan("garlic", All));
        var asked = (int)(await Did(north.Http, "/api/judge/together/ask", new { trialId = first, days = "60, 90" }))["id"]!;
        (await Refused(north.Http, "/api/judge/together/ask", new { trialId = first, days = "" })).ShouldStartWith("trialId");
        var file = await File(north.Http, $"/api/judge/together/{asked}/protocol.json");
        file.ShouldContain("mud-pie-protocol/1");
        file.ShouldNotContain("Long bed", Case.Insensitive, "places are its own");

        var joined = (int)(await Did(south.Http, "/api/judge/together/bring", new { json = file }))["id"]!;
        (await Did(south.Http, "/api/judge/together/bring", new { json = file }))["id"]!.GetValue<int>().ShouldBe(joined, "once");
        var plan = await TestBox.Get(south.Http, $"/api/judge/together/{joined}/plan?arms=water%20only&arms=tea");
        plan["treatments"]!.AsArray().Select(t => (string)t!["name"]!).ShouldBe(Fewer);
        ((string)plan["treatments"]![1]!["rate"]!, (string)plan["treatments"]![1]!["rateBasis"]!).ShouldBe(("20 mL", "perM2"));
        var refused = await south.Http.GetAsync($"/api/judge/together/{joined}/plan?arms=nothing&arms=tea",
            TestContext.Current.CancellationToken);
        ((int)refused.StatusCode).ShouldBe(422);
        (await Refused(south.Http, "/api/judge/trials", Plan("garlic", ["nothing", "tea"], joined)))
            .ShouldContain("“water only” was left out");
        var second = await Trial(south.Http, Plan("beetroot", Fewer, joined));
        await Grow(south.Http, second, 0.3, open: false);
        (await TestBox.Status(south.Http, $"/api/judge/together/trials/{second}/result.json")).ShouldBe(422, "its codes are shut");
        await Did(south.Http, $"/api/judge/trials/{second}/steps", new { step = "open" });
        var result = await File(south.Http, $"/api/judge/together/trials/{second}/result.json");
        await Grow(north.Http, first, 0.2);
        (await View(north.Http, asked))["pooled"]!["value"]!["arms"]!.AsArray().ShouldAllBe(a => a!["together"] == null);
        await Did(north.Http, "/api/judge/together/bring", new { json = result });
        (await Refused(north.Http, "/api/judge/together/bring", new { json = result }))
            .ShouldStartWith("garden: That garden’s result is here");
        (await Refused(south.Http, "/api/judge/together/bring", new { json = result })).ShouldBe("garden: It is of your own trial.");

        var view = await View(north.Http, asked);
        ((string)view["pooled"]!["value"]!["by"]!).ShouldBe("ratio", "two crops");
        var tea = view["pooled"]!["value"]!["arms"]!.AsArray().Single(a => (string)a!["arm"]! == "tea")!;
        tea["gardens"]!.GetValue<int>().ShouldBe(2);
        tea["together"]!["value"]!["sites"]!.AsArray().Select(s => (string)s!["label"]!).ShouldBe(["Saltmarsh End, garlic, 2026",
            "Saltmarsh End, beetroot, 2026"]);
        var plain = (await View(north.Http, asked, "?by=difference"))["pooled"]!["value"]!["arms"]![1]!["together"]!["value"]!;
        ((double)plain["estimate"]!).ShouldBeInRange(0.2, 0.3);
        (await File(north.Http, $"/api/judge/together/{asked}/results.csv")).Split('\n').Length.ShouldBeGreaterThan(3);

        // left out, with a reason, and in sight
        var brought = view["gardens"]!.AsArray().Single(g => (string)g!["source"]! == "a file")!["id"]!;
        await Did(north.Http, $"/api/judge/together/results/{brought}/out", new { why = "a cow got in" });
        var without = await View(north.Http, asked);
        without["pooled"]!["value"]!["arms"]!.AsArray().ShouldAllBe(a => a!["together"] == null);
        without["gardens"]!.AsArray().Count.ShouldBe(2);
    }

    [Fact]
    public async Task A_file_that_does_not_fit_says_where()
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        var id = (int)(await Did(h.Http, "/api/judge/together/ask", new { trialId = await Trial(h.Http, Plan("garlic", All)) }))["id"]!;
        var file = await File(h.Http, $"/api/judge/together/{id}/protocol.json");
        Task<string> Why(string from, string to) => Refused(h.Http, "/api/judge/together/bring", new { json = file.Replace(from, to) });
        (await Why("\"low\": 0.01", "\"low\": \"much\"")).ShouldStartWith("measures[0].low: It can’t be read there, in line ");
        (await Why("\"role\": \"water\"", "\"role\": \"wine\"")).ShouldStartWith("arms[1].role:");
        (await Why("\"replicates\": 4", "\"replicates\": 400")).ShouldStartWith("replicates:");
        (await Why("\"liquid\"", "\"secret\"")).ShouldStartWith("secret:");
        (await Why("mud-pie-protocol/1", "elsewhere/2")).ShouldStartWith("form: “elsewhere/2” is not read here.");
        (await Why(file, "[[[[")).ShouldStartWith("json:");
        (await Why(file, "{}")).ShouldStartWith("form:");
        (await Why(file, new string('x', 200_001))).ShouldBe("json: That file is larger than 200 kB.");
        (await Refused(h.Http, "/api/judge/together/ask", new { trialId = await Trial(h.Http, Plan("kale", All)), days = "soon" }))
            .ShouldStartWith("days:");
    }

    [Fact]
    public void What_the_schemas_in_the_docs_say_is_what_is_read()
    {
        foreach (var (type, name, about) in new[] { (typeof(TrialProtocol), "protocol", "A Mud Pie protocol, version 1. See protocol.md."),
            (typeof(GardenResult), "result", "What a garden found by a protocol, version 1. See protocol.md.") })
        {
            var path = Path.Combine(ArchitectureTests.Root(), "docs", "formats", $"{name}.schema.json");
            var schema = MudPie.Server.Calculators.Calculator.SchemaOf(type, name, about)
                .ToJsonString(new System.Text.Json.JsonSerializerOptions(MudPie.Server.Web.Json.Options) { WriteIndented = true }) + "\n";
            if (Environment.GetEnvironmentVariable("MUDPIE_WRITE_SCHEMA") is not null)
            {
                System.IO.File.WriteAllText(path, schema);
            }

            System.IO.File.ReadAllText(path).ShouldBe(schema);
        }
    }

    [Fact]
    public async Task Under_one_roof_it_goes_without_files_and_only_by_the_owner_s_word()
    {
        using var box = new TestBox();
        using var north = await box.Make("north-field");
        using var south = await box.Make("south-field", "the other grower");
        var first = await Trial(north, Plan("garlic", All));
        var asked = (int)(await Did(north, "/api/judge/together/ask", new { trialId = first }))["id"]!;
        (await TestBox.Get(south, "/api/judge/together"))["protocols"]!.AsArray().ShouldBeEmpty("it was not offered");
        await Did(north, $"/api/judge/together/{asked}/offer", new { on = true });
        var seen = (await TestBox.Get(south, "/api/judge/together"))["protocols"]![0]!;
        seen["id"].ShouldBeNull();
        var taken = (int)(await Did(south, "/api/judge/together/take", new { mark = (string)seen["mark"]! }))["id"]!;
        var second = await Trial(south, Plan("garlic", Fewer, taken));
        await Grow(south, second, 0.3);
        await Grow(north, first, 0.2);
        (await View(north, asked))["gardens"]!.AsArray().Count.ShouldBe(1, "nothing of the other is given yet");
        await Did(south, $"/api/judge/together/trials/{second}/give", new { on = true });
        await Did(south, $"/api/judge/together/trials/{second}/give", new { on = true });
        var gardens = (await View(north, asked))["gardens"]!.AsArray();
        gardens.Select(g => (string)g!["source"]!).ShouldBe(["here", "under this roof"]);
        (await View(south, taken))["gardens"]!.AsArray().Count.ShouldBe(1, "north has not given its own");

        // by a file too: one garden, by what is later
        box.Clock.Advance(TimeSpan.FromHours(1));
        await Did(north, "/api/judge/together/bring", new { json = await File(south, $"/api/judge/together/trials/{second}/result.json") });
        (await View(north, asked))["gardens"]!.AsArray().Select(g => (string)g!["source"]!).ShouldBe(["here", "a file"]);
        box.Clock.Advance(TimeSpan.FromHours(1));
        await Did(south, $"/api/judge/together/trials/{second}/give", new { on = true });
        (await View(north, asked))["gardens"]!.AsArray().Select(g => (string)g!["source"]!).ShouldBe(["here", "under this roof"]);
        (await View(south, taken))["own"]![0]!["sent"]!.GetValue<bool>().ShouldBeTrue();
        await Did(south, $"/api/judge/together/trials/{second}/give", new { on = false });
        (await View(north, asked))["gardens"]!.AsArray().Select(g => (string)g!["source"]!)
            .ShouldBe(["here", "a file"], "what was sent stays");
        await Did(north, $"/api/judge/together/{asked}/offer", new { on = false });
        (await Refused(south, "/api/judge/together/take", new { mark = Guid.NewGuid() })).ShouldStartWith("mark:");
        (await View(south, taken))["told"]!["question"]!.ToString().ShouldContain("tea", Case.Sensitive, "what was taken stays");
    }

    [Fact]
    public async Task A_holding_by_itself_gives_nothing_to_others_under_a_roof()
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        var trial = await Trial(h.Http, Plan("garlic", All));
        var id = (int)(await Did(h.Http, "/api/judge/together/ask", new { trialId = trial }))["id"]!;
        (await Refused(h.Http, $"/api/judge/together/{id}/offer", new { on = true })).ShouldStartWith("box:");
        (await Refused(h.Http, "/api/judge/together/take", new { mark = Guid.NewGuid() })).ShouldStartWith("box:");
        (await Refused(h.Http, $"/api/judge/together/trials/{trial}/give", new { on = true }))
            .ShouldBe("trialId: Nothing is measured yet.");
        (await TestBox.Status(h.Http, "/api/judge/together/99")).ShouldBe(404);
    }
}
