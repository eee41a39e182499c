using System.Text.Json.Nodes;

namespace MudPie.Server.Tests;

/// <summary>The first brew end to end, over HTTP and real SQLite.</summary>
public class FirstBrewTests : IDisposable
{
    private readonly TestHolding _h = new();

    public void Dispose()
    {
        _h.Dispose();
        GC.SuppressFinalize(this);
    }

    [Fact]
    public async Task From_an_empty_file_to_a_sentence_about_the_leaves()
    {
        ((bool)(await _h.Get("/api/holding"))["setUp"]!).ShouldBeFalse();
        var id = await _h.Started();
        var path = $"/api/brew/batches/{id}";

        _h.Clock.Advance(TimeSpan.FromHours(3));
        var before = await _h.Get(path);
        await _h.Post($"{path}/log", new { kind = "oxygen", value = "7.4" });
        var after = await _h.Get(path);
        double Median(JsonNode b, int i) => (double)b["watch"]!["value"]!["forecast"]!["median"]![i]!["mgPerL"]!;
        Math.Abs(Median(after, 6) - 7.4).ShouldBeLessThan(Math.Abs(Median(before, 6) - 7.4));
        ((string)after["watch"]!["value"]!["gate"]!["fitness"]!).ShouldBe("fit");

        await _h.Post("/api/judge/brix", new {
            bedId = 1, readings = "8.6 8.9 8.4 8.8", temperature = "18", leafPosition = "top",
            sky = "clear"
        });
        _h.Clock.Advance(TimeSpan.FromHours(2));
        await _h.Post($"{path}/air-off", new { });
        _h.Clock.Advance(TimeSpan.FromMinutes(10));
        var off = await _h.Get(path);
        ((string)off["watch"]!["value"]!["verdict"]!["sentence"]!).ShouldStartWith("Use it before");

        object Out(params string[] seen) => new {
            batchId = id, dilution = "1:5", bedIds = new[] { 1 }, brew = "10 L", tool = "knapsack",
            tank = "15 L", cautionsSeen = seen
        };
        var spread = await _h.Post("/api/put-out/tank/work-out", Out());
        ((double)spread["value"]!["job"]!["waterL"]!).ShouldBe(50, 1e-9);
        ((string)spread["value"]!["job"]!["dilution"]!).ShouldBe("1 part tea + 5 parts water (1 in 6)");
        (await _h.Refused("/api/put-out/tank", Out())).Keys.ShouldBe(["cautionsSeen"]);
        var cautions = spread["cautions"]!.AsArray().Select(c => (string)c!["id"]!).ToArray();
        await _h.Post("/api/put-out/tank", Out(cautions));
        (await _h.Refused("/api/put-out/tank", Out(cautions)))["batch"].ShouldContain("not there to put out");

        _h.Clock.Advance(TimeSpan.FromDays(2));
        (await _h.Get("/api/today"))["items"]!.AsArray().Select(i => (string)i!["title"]!)
            .ShouldContain(t => t.StartsWith("Brix on Ridge Bed 4", StringComparison.Ordinal));
        await _h.Post("/api/judge/brix", new {
            bedId = 1, applicationId = 1, readings = "9,0 8,8 9,3 8,7", temperature = "22",
            leafPosition = "top", sky = "clear"
        });
        var pair = (await _h.Get("/api/judge/brix"))["pairs"]![0]!;
        ((string)pair["difference"]!["value"]!["sentence"]!).ShouldContain("give or take");
        (await _h.Get("/api/today"))["items"]!.AsArray().Select(i => (string)i!["title"]!)
            .ShouldNotContain(t => t.StartsWith("Brix", StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_strip_above_zero_stops_the_start_unless_the_grower_says_why_and_then_the_gate_fails_it()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var id = (int)(await _h.Post("/api/brew/batches", _h.Plan()))["id"]!;
        (await _h.Refused($"/api/brew/batches/{id}/start", new { strip = "0.4" }))["waiver"].ShouldContain("0.4 mg/L, not zero");
        (await _h.Refused($"/api/brew/batches/{id}/start", new { strip = "" }))["strip"].ShouldContain("No strip");
        (await _h.Refused($"/api/brew/batches/{id}/start", new { strip = "99" }))["strip"].ShouldContain("too much");
        ((string)(await _h.Get($"/api/brew/batches/{id}"))["state"]!).ShouldBe("planned");

        await _h.Post($"/api/brew/batches/{id}/start", new { strip = "0.4", waiver = "no time to wait" });
        var batch = await _h.Get($"/api/brew/batches/{id}");
        ((string)batch["stripWaiver"]!).ShouldBe("no time to wait");
        ((string)batch["watch"]!["value"]!["gate"]!["fitness"]!).ShouldBe("notFit");
    }

    [Fact]
    public async Task A_failed_brew_goes_out_only_with_a_reason_and_the_reason_is_kept()
    {
        var id = await _h.Started();
        _h.Clock.Advance(TimeSpan.FromHours(6));
        await _h.Post($"/api/brew/batches/{id}/log", new { kind = "oxygen", value = "4.1" });
        (await _h.Get("/api/today"))["items"]![0]!["title"]!.ToString().ShouldContain("not fit to use");

        var cautions = (await _h.Post("/api/put-out/tank/work-out", Out(null, [])))["cautions"]!.AsArray()
            .Select(c => (string)c!["id"]!).ToArray();
        (await _h.Refused("/api/put-out/tank", Out(null, cautions)))["overrideWhy"].ShouldContain("4.1 mg/L");
        await _h.Post("/api/put-out/tank", Out("on fallow ground only, nothing grown there this year", cautions));
        ((string)(await _h.Get("/api/put-out"))["past"]![0]!["overrideWhy"]!).ShouldStartWith("on fallow");

        object Out(string? why, string[] seen) => new {
            batchId = id, purpose = "root", dilution = "neat", bedIds = new[] { 1 },
            brew = "5 L", tool = "can", tank = "10 L", overrideWhy = why, cautionsSeen = seen
        };
    }

    [Fact]
    public async Task A_correction_is_a_new_entry_and_the_old_one_stays_readable()
    {
        var id = await _h.Started();
        _h.Clock.Advance(TimeSpan.FromHours(4));
        var entry = (int)(await _h.Post($"/api/brew/batches/{id}/log", new { kind = "oxygen", value = "1.7" }))["id"]!;
        await _h.Post($"/api/brew/batches/{id}/log/{entry}/correct", new { kind = "oxygen", value = "7.1" });
        var batch = await _h.Get($"/api/brew/batches/{id}");
        var oxygen = batch["log"]!.AsArray().Where(l => (string)l!["kind"]! == "oxygen").ToList();
        oxygen.Select(l => (double)l!["number"]!).Order().ShouldBe([1.7, 7.1]);
        ((string)batch["watch"]!["value"]!["gate"]!["fitness"]!).ShouldBe("fit");
        (await _h.Refused($"/api/brew/batches/{id}/log/{entry}/correct", new { kind = "oxygen", value = "7.2" })).Keys
            .ShouldContain("entry");
    }

    [Theory]
    [InlineData("oxygen", "99", "value")]
    [InlineData("oxygen", "-1", "value")]
    [InlineData("oxygen", "", "value")]
    [InlineData("oxygen", "NaN", "value")]
    [InlineData("oxygen", "7 kg", "value")]
    [InlineData("warmth", "60", "value")]
    [InlineData("smell", "lovely", "value")]
    [InlineData("note", " ", "value")]
    public async Task Nonsense_in_the_log_is_refused_at_its_field_and_nothing_is_kept(string kind, string value, string field)
    {
        var id = await _h.Started();
        (await _h.Refused($"/api/brew/batches/{id}/log", new { kind, value }))[field].ShouldNotBeEmpty();
        (await _h.Get($"/api/brew/batches/{id}"))["log"]!.AsArray().ShouldNotContain(l => (string)l!["kind"]! == kind);
    }

    [Fact]
    public async Task Warmth_typed_in_fahrenheit_is_kept_in_celsius()
    {
        var id = await _h.Started();
        await _h.Post($"/api/brew/batches/{id}/log", new { kind = "warmth", value = "68 F" });
        (await _h.Get($"/api/brew/batches/{id}"))["log"]!.AsArray()
            .First(l => (string)l!["kind"]! == "warmth")!["number"]!.GetValue<double>().ShouldBe(20, 1e-9);
    }

    [Fact]
    public async Task Setup_says_what_is_wrong_field_by_field_and_keeps_nothing()
    {
        var bad = JsonNode.Parse(System.Text.Json.JsonSerializer.Serialize(TestHolding.SetUp))!;
        (bad["place"], bad["total"], bad["strip"], bad["zone"], bad["area"]) = ("somewhere", "10000 L", "99", "Mars/Base", "0");
        var refused = await _h.Refused("/api/holding/setup", bad.ToJsonString());
        refused.Keys.ShouldBe(["place", "total", "strip", "zone", "area"], ignoreOrder: true);
        refused["total"].ShouldContain("the range of a bucket");
        ((bool)(await _h.Get("/api/holding"))["setUp"]!).ShouldBeFalse();
        (await _h.Get("/api/ground"))["beds"]!.AsArray().ShouldBeEmpty();
    }

    [Fact]
    public async Task A_plan_for_the_past_for_no_bed_or_with_a_letter_for_a_number_is_refused()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        (await _h.Refused("/api/brew/plan", _h.Plan(hoursOn: -3)))["useAt"].ShouldContain("passed");
        (await _h.Refused("/api/brew/plan", new {
            bedIds = Array.Empty<int>(), purpose = "leaf", useAt = _h.Now.AddHours(40),
            warmthC = 18
        })).Keys.ShouldContain("beds");
        (await _h.Refused("/api/brew/plan", """{"bedIds":[1],"warmthC":"hot"}""")).Keys.ShouldContain("warmthC");
        (await _h.Refused("/api/brew/plan", new { bedIds = new[] { 1 }, purpose = "leaf", useAt = _h.Now.AddHours(40), warmthC = 60 })).Keys
            .ShouldContain("warmthC");
    }

    [Fact]
    public async Task A_choice_at_a_fork_for_good_holds_for_the_next_plan()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        await _h.Post("/api/holding/forks/brew-time", new { school = "fixed" });
        ((double)(await _h.Post("/api/brew/plan", _h.Plan()))["value"]!["plan"]!["brewHours"]!).ShouldBe(24);
    }

    [Fact]
    public async Task A_bed_changed_in_another_window_is_not_overwritten()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var version = (string)(await _h.Get("/api/ground"))["beds"]![0]!["version"]!;
        object Bed(string crop) => new { id = 1, version, name = "Ridge Bed 4", area = "200 m2", crop, growing = "annual", soilPh = "6.1" };
        await _h.Post("/api/ground/beds", Bed("dill"));
        var (status, reply) = await _h.Send("/api/ground/beds", Bed("chervil"), null);
        status.ShouldBe(409);
        ((string)reply["title"]!).ShouldContain("Somebody else");
        ((string)(await _h.Get("/api/ground"))["beds"]![0]!["crop"]!).ShouldBe("dill");
    }

    [Fact]
    public async Task Kit_that_cannot_be_is_refused_and_units_are_read_either_way()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        (await _h.Refused("/api/ground/vessels",
            new { name = "Vat", shape = "bucket", total = "10000 L", depth = "1 m" }))["total"].ShouldContain("bucket");
        (await _h.Refused("/api/ground/beds",
            new { name = "Ridge Bed 4", area = "3 m2", crop = "x", growing = "annual" }))["name"].ShouldContain("already");
        (await _h.Refused("/api/ground/pumps", new { name = "P", openFlow = "-6", shutOff = "0" })).Keys.ShouldBe(["openFlow", "shutOff"],
            ignoreOrder: true);
        await _h.Post("/api/holding/units", new { units = "usCustomary" });
        await _h.Post("/api/ground/beds", new { name = "Ridge Bed 5", area = "400", crop = "fennel", growing = "annual" });
        var bed = (await _h.Get("/api/ground"))["beds"]![1]!;
        ((double)bed["areaM2"]!).ShouldBe(37.161216, 1e-6);
        ((string)bed["areaShown"]!).ShouldBe("400 sq ft");
    }
}
