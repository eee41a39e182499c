using System.Text.Json.Nodes;

namespace MudPie.Server.Tests;

/// <summary>Lab sheets from the sample to the shelf: a bed, and a living mix.</summary>
public class LabSheetTests : IDisposable
{
    private readonly TestHolding _h = new(demo: true);

    public void Dispose()
    {
        _h.Dispose();
        GC.SuppressFinalize(this);
    }

    private async Task<JsonNode> Input(string name) => (await _h.Get("/api/shelf"))["inputs"]!.AsArray()
        .Single(i => (string)i!["name"]! == name)!;

    private async Task<double> Left(string name) => double.Parse(((string)(await Input(name))["leftShown"]!).Split(' ')[0],
        System.Globalization.CultureInfo.InvariantCulture);

    private Task<JsonNode> Do(int id, string step, string? note = null) => _h.Post($"/api/sheets/{id}/steps",
        new { did = new { step, note } });

    private async Task<string> Today() => (await _h.Get("/api/today"))["items"]!.ToJsonString();

    [Fact]
    public async Task A_base_goes_from_its_sample_to_ready_and_the_shelf_falls()
    {
        var sheets = await _h.Get("/api/sheets");
        var lot = (int)sheets["lots"]!.AsArray().First(l => ((string)l!["name"]!).StartsWith("living base",
            StringComparison.Ordinal))!["id"]!;
        var start = (await _h.Get($"/api/sheets?lot={lot}"))["start"]!.AsObject();
        ((string)start["for"]!).ShouldBe("mix");
        start["name"] = "the base once more";
        start["size"] = "20 m3";
        var potash = (int)(await Input("potassium sulphate"))["id"]!;
        start["inputs"] = new JsonArray(new JsonObject { ["inputId"] = potash });
        var id = (int)(await _h.Post("/api/sheets", new { asked = start }))["id"]!;
        await Do(id, "sampled");
        _h.Clock.Advance(TimeSpan.FromDays(3));
        (await Today()).ShouldContain($"work-send-{id}");
        await Do(id, "sent");
        _h.Clock.Advance(TimeSpan.FromDays(12));
        (await Today()).ShouldContain("the base once more waits for its result");
        (await _h.Get("/api/make/yard"))["behind"]!.ToJsonString().ShouldContain("out for its test");
        var pasted = (await _h.Post("/api/sheets/read", new { text = "K 20 ppm\nCa 120 ppm\nMg 44 ppm\nSand 4 %" }))["value"]!;
        pasted["left"]!.AsArray().Count.ShouldBe(1);
        start["rows"] = pasted["rows"]!.DeepClone();
        var version = (string)(await _h.Get($"/api/sheets/{id}"))["version"]!;
        await _h.Post("/api/sheets", new { id, version, asked = start });
        var sheet = await _h.Get($"/api/sheets/{id}");
        ((string)sheet["state"]!).ShouldBe("result");
        (await Today()).ShouldContain($"work-correct-{id}");
        var told = (await _h.Post("/api/sheets/work-out", start))["value"]!;
        ((string)told["given"]![0]!["small"]!).ShouldContain("g a litre");
        var before = await Left("potassium sulphate");
        (await _h.Refused($"/api/sheets/{id}/steps", new { did = new { step = "ready" } }))["note"].ShouldContain("not corrected");
        await Do(id, "corrected");
        var used = before - await Left("potassium sulphate");
        used.ShouldBeGreaterThan(0.5); // 40 mg of potassium a litre of extract, in 20 m³
        var other = start.DeepClone().AsObject();
        other["density"] = "0.5";
        (await _h.Refused("/api/sheets", new {
            id, version = (string)(await _h.Get($"/api/sheets/{id}"))["version"]!,
            asked = other
        }))["asked"]
            .ShouldContain("corrected by this sheet");
        var entry = (int)(await _h.Get($"/api/sheets/{id}"))["log"]![0]!["id"]!;
        await _h.Post($"/api/works/{id}/steps/{entry}/strike", new { why = "not mixed in after all" });
        (await Left("potassium sulphate")).ShouldBe(before, 1e-6);
        await Do(id, "corrected");
        await Do(id, "ready");
        ((string)(await _h.Get($"/api/sheets/{id}"))["word"]!).ShouldStartWith("ready");
        (await Today()).ShouldNotContain($"work-correct-{id}");
        (await _h.Get("/api/book?kind=mix")).ToJsonString().ShouldContain("the base once more: corrected by the sheet");
    }

    [Fact]
    public async Task A_bed_is_told_in_spoons_kilos_and_hectares_and_bad_lines_are_named()
    {
        var asked = new {
            name = "bed 3", @for = "bed", bedId = 3, method = "mehlich3", depth = "15 cm", density = "1.3", crop = "vegetables",
            rows = new object[] { new { of = "K", value = "96", unit = "ppm" }, new { of = "B", value = "0.4", unit = "ppm" } },
            inputs = new object[] { new { inputId = (int)(await Input("potassium sulphate"))["id"]! } },
        };
        var told = (await _h.Post("/api/sheets/work-out", asked))["value"]!;
        ((string)told["given"]![0]!["aHectare"]!).ShouldBe("254 kg/ha");
        ((string)told["given"]![0]!["small"]!).ShouldContain("tbsp");
        ((string)told["nutrients"]![1]!["why"]!).ShouldContain("No input");
        ((string)told["verdict"]!["tone"]!).ShouldBe("mind");
        (await _h.Refused("/api/sheets/work-out", new {
            name = "x", bedId = 999,
            rows = new object[] { new { of = "K", value = "x", unit = "ppm" } }
        }))
            .Keys.ShouldBe(["bedId", "rows[0].value"], ignoreOrder: true);
        (await _h.Refused("/api/sheets/read", new { text = "hello" }))["text"].ShouldContain("understood");
        (await _h.Refused("/api/sheets/999/steps", new { did = new { step = "sent" } }))["id"].ShouldContain("not there");
        (await _h.Refused("/api/works/999/steps/1/strike", new { why = "x" }))["id"].ShouldContain("not there");
        await _h.Post("/api/holding/units", new { units = "usCustomary" });
        told = (await _h.Post("/api/sheets/work-out", asked))["value"]!;
        ((string)told["sizeShown"]!).ShouldContain("sq ft");
        ((string)told["given"]![0]!["aHectare"]!).ShouldEndWith("lb an acre"); // 254 kg/ha × 0.4047 ÷ 0.4536 = 227
        ((string)told["given"]![0]!["aHectare"]!).ShouldStartWith("227");
        ((string)told["given"]![0]!["small"]!).ShouldContain("oz on 10 sq ft (");
        ((string)told["given"]![0]!["small"]!).ShouldContain("tbsp");
    }
}
