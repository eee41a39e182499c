using System.Text.Json.Nodes;

namespace MudPie.Server.Tests;

/// <summary>The book: corrections, threads, files, waits, the season, the plan of the beds.</summary>
public sealed class BookTests
{
    private static async Task<JsonNode> Entry(TestHolding h, int id) => (await h.Get("/api/book?kind=job"))["entries"]!.AsArray()
        .Concat((await h.Get("/api/book?kind=job&page=1"))["entries"]!.AsArray()).First(e => (int)e!["id"]! == id)!;

    private static async Task<(int Input, int Job)> OneJob(TestHolding h)
    {
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        var input = (int)(await h.Post("/api/shelf/inputs", new { name = "kelp", kind = "seaweed", npk = "1-0-5", density = "1" }))["id"]!;
        await h.Post($"/api/shelf/inputs/{input}/lots", new { mark = "K-1", origin = "bought", amount = "1 L", from = h.Now.AddDays(-10) });
        return (input, (int)(await h.Post("/api/put-out/tank", await Ask(h, input, "20 ml")))["id"]!);
    }

    private static async Task<object> Ask(TestHolding h, int input, string rate, int? corrects = null, string? why = null)
    {
        object Body(string[] seen) =>
            new {
                purpose = "leaf", bedIds = new[] { 1 }, rate = "500", items = new[] { new { inputId = input, rate, basis = "per100m2" } },
                tool = "can", tank = "10 L", spare = "0", who = "field hand", why = "colour", cautionsSeen = seen, correctsId = corrects,
                correctionWhy = why
            };
        var seen = (await h.Post("/api/put-out/tank/work-out", Body([])))["cautions"]!.AsArray().Select(c => (string)c!["id"]!).ToArray();
        return Body(seen);
    }

    private static async Task<string> Left(TestHolding h, int input) => (string)(await h.Get("/api/shelf"))["inputs"]!.AsArray()
        .Single(i => (int)i!["id"]! == input)!["leftShown"]!;

    [Fact]
    public async Task A_correction_keeps_the_old_entry_in_sight_and_gives_back_what_it_took()
    {
        using var h = new TestHolding();
        var (input, job) = await OneJob(h);
        (await Left(h, input)).ShouldBe("960 mL");
        (await h.Refused("/api/put-out/tank", await Ask(h, input, "10 ml", job)))["correctionWhy"].ShouldContain("not said what was wrong");
        ((string)(await h.Get($"/api/put-out/asked/{job}"))["items"]![0]!["rate"]!).ShouldBe("20 ml");
        h.Clock.Advance(TimeSpan.FromDays(3));
        // when it happened, not when it is put right
        (await h.Get($"/api/put-out/asked/{job}"))["at"]!.GetValue<DateTimeOffset>().ShouldBe(h.Now.AddDays(-3));
        var right = (int)(await h.Post("/api/put-out/tank", await Ask(h, input, "10 ml", job, "half of that")))["id"]!;
        (await Left(h, input)).ShouldBe("980 mL");
        ((int)(await Entry(h, job))["correctedBy"]!).ShouldBe(right);
        ((string)(await Entry(h, right))["correctionWhy"]!).ShouldBe("half of that");
        (await h.Refused("/api/put-out/tank", await Ask(h, input, "5 ml", job, "again")))["correctsId"].ShouldContain("put right already");
        (await h.Get("/api/put-out"))["past"]!.AsArray().Count.ShouldBe(1); // only what stands
    }

    [Fact]
    public async Task A_job_that_never_happened_is_struck_with_its_reason()
    {
        using var h = new TestHolding();
        var (input, job) = await OneJob(h);
        (await h.Refused($"/api/book/jobs/{job}/strike", new { why = "" }))["why"].ShouldContain("not said why");
        await h.Post($"/api/book/jobs/{job}/strike", new { why = "it rained, we stayed in" });
        (await Left(h, input)).ShouldBe("1 L");
        ((bool)(await Entry(h, job))["struck"]!).ShouldBeTrue();
        (await h.Refused($"/api/book/jobs/{job}/strike", new { why = "twice" }))["id"].ShouldContain("put right already");
        (await h.Get("/api/book/waits"))["running"]!.AsArray().ShouldBeEmpty();
    }

    [Fact]
    public async Task The_demo_s_book_goes_out_and_in_again_and_is_the_same_book()
    {
        using var demo = new TestHolding(demo: true);
        var csv = await demo.Http.GetStringAsync("/api/book/book.csv");
        csv.Split('\n').Length.ShouldBeGreaterThan(150);
        using var empty = new TestHolding();
        await empty.Post("/api/holding/setup", new {
            name = "Saltmarsh End", place = "52.5, 0.0", altitude = "6 m", zone = "Europe/London",
            units = "metric", bedName = "Ridge Bed 4", area = "36 m²", crop = "fennel", growing = "annual", shape = "bucket",
            total = "20 L", depth = "28 cm", openFlow = "6 L/min", shutOff = "20 kPa", diffuserKind = "airStone", waterKind = "mains",
            strip = "0.6"
        });
        var brought = await empty.Post("/api/book/file", new { text = csv });
        ((int)brought["jobs"]!).ShouldBeGreaterThan(15);
        (await empty.Http.GetStringAsync("/api/book/book.csv")).ShouldBe(csv);
        // Once more changes nothing, by CSV or by JSON.
        var again = await empty.Post("/api/book/file", new { text = (await empty.Get("/api/book/book.json")).ToJsonString() });
        ((int)again["jobs"]!, (int)again["known"]!).ShouldBe((0, (int)brought["jobs"]!));
        (await empty.Http.GetStringAsync("/api/book/book.csv")).ShouldBe(csv);
        (await demo.Post("/api/book/file", new { text = csv }))["jobs"]!.GetValue<int>().ShouldBe(0);
        (await demo.Http.GetStringAsync("/api/book/book.csv")).ShouldBe(csv);
    }

    [Theory]
    [InlineData("", "file")]
    [InlineData("just some words", "file")]
    [InlineData("kind,entry\ndance,1", "line 2")]
    [InlineData("kind,bed,area_m2\nbed,A,lots", "line 2")]
    [InlineData("kind,bed,area_m2\nbed,A,-4", "line 2")]
    [InlineData("kind,entry,at,recorded_at,bed,amount\nharvest,h-1,2026-05-01T00:00:00Z,2026-05-01T00:00:00Z,Nowhere,3", "line 2")]
    [InlineData("kind,entry,at,recorded_at,tool\njob,job-1,soon,2026-05-01T00:00:00Z,can", "line 2")]
    [InlineData("{\"format\":\"other\",\"formatVersion\":1,\"lines\":[]}", "file")]
    [InlineData("{\"format\":", "file")]
    public async Task A_file_that_is_no_book_is_refused_whole(string text, string field)
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        var before = await h.Http.GetStringAsync("/api/book/book.csv");
        (await h.Refused("/api/book/file", new { text })).Keys.ShouldContain(field);
        (await h.Http.GetStringAsync("/api/book/book.csv")).ShouldBe(before);
    }

    [Fact]
    public async Task A_lot_is_followed_to_every_bed_and_harvest_and_a_bed_back_to_its_lots()
    {
        using var h = new TestHolding(demo: true);
        var lot = (await h.Get("/api/book/thread/starts"))!.AsArray().First(s => ((string)s!["name"]!).Contains("F-24"))!;
        var thread = await h.Get($"/api/book/thread?of={lot["id"]}");
        var knots = thread["knots"]!.AsArray();
        foreach (var kind in new[] { "batch", "job", "bed", "harvest" })
        {
            knots.Count(k => (string)k!["kind"]! == kind).ShouldBeGreaterThan(0, kind);
        }

        var ids = knots.Select(k => (string)k!["id"]!).ToHashSet();
        thread["lengths"]!.AsArray().ShouldAllBe(l => ids.Contains((string)l!["from"]!) && ids.Contains((string)l["to"]!));
        ((string)thread["sentence"]!).ShouldContain("300 mL was spilt");
        var bed = knots.First(k => (string)k!["kind"]! == "bed")!;
        var back = await h.Get($"/api/book/thread?of={bed["id"]}");
        back["knots"]!.AsArray().Select(k => (string)k!["id"]!).ShouldContain((string)lot["id"]!);
        (await h.Http.GetAsync("/api/book/thread?of=lot-99999")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound);
        (await h.Http.GetAsync("/api/book/thread?of=nonsense")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task Waits_run_by_the_house_until_the_grower_s_own_code_is_set()
    {
        using var h = new TestHolding(demo: true);
        var waits = await h.Get("/api/book/waits");
        waits["running"]!.AsArray().Select(w => (string)w!["bed"]!).ShouldContain("Ridge Bed 4");
        (await h.Refused("/api/book/waits", new { kind = "brew", days = "30", why = "" }))["why"].ShouldContain("which code");
        await h.Post("/api/book/waits", new { kind = "brew", days = "0", why = "our scheme tests every batch, rule 7" });
        (await h.Get("/api/book/waits"))["running"]!.AsArray().Select(w => (string)w!["what"]!).ShouldNotContain(w => w.Contains("tea"));
        (await h.Get("/api/ground"))["beds"]!.AsArray().Select(b => (string?)b!["wait"])
            .ShouldNotContain(w => w != null && w.Contains("tea"));
    }

    [Fact]
    public async Task The_season_sums_what_each_bed_got()
    {
        using var h = new TestHolding();
        await OneJob(h); // 40 mL of 1-0-5 at 1 kg/L
        var bed = (await h.Get("/api/book/season"))["beds"]!.AsArray().Single()!;
        ((double)bed["nutrients"]!["value"]!["potashG"]!).ShouldBe(2, 1e-9);
        ((double)bed["nutrients"]!["value"]!["nitrogenG"]!).ShouldBe(0.4, 1e-9);
        ((int)bed["jobs"]!).ShouldBe(1);
    }

    [Fact]
    public async Task The_yard_and_the_plan_say_what_is_there_and_what_is_known_of_it()
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        var yard = await h.Get("/api/make/yard");
        var vessel = yard["vessels"]!.AsArray().Single()!;
        ((string)vessel["says"]!["word"]!, (string)vessel["says"]!["figure"]!).ShouldBe(("empty", "never used"));
        ((double)vessel["fill"]!, (string)vessel["link"]!).ShouldBe((0, $"/brew/plan?vessel={vessel["id"]}"));
        yard["things"]!.AsArray().Select(t => (string)t!["kind"]!).ShouldNotContain("microscope"); // none was used yet: none is drawn
        (await h.Get("/api/ground/plan"))["beds"]![0]!["known"]!.AsArray().ShouldBeEmpty();
        var bed = (int)(await h.Get("/api/ground"))["beds"]![0]!["id"]!;
        await h.Post("/api/book/harvests", new { bedId = bed, weight = "12 kg" });
        var known = (await h.Get("/api/ground/plan"))["beds"]![0]!["known"]!.AsArray().Single()!;
        ((string)known["kind"]!, (string)known["link"]!).ShouldBe(("harvest", $"/book?bed={bed}"));
        ((string)known["text"]!).ShouldStartWith("12 kg of ");
    }

    [Fact]
    public async Task Outlines_come_in_as_GeoJSON_after_a_look_and_go_out_the_same()
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        const string geo =
            """{"type":"FeatureCollection","features":[{"type":"Feature","geometry":{"type":"Polygon","coordinates":[[[0,52.5],[0.0002,52.5],[0.0002,52.5001329],[0,52.5001329],[0,52.5]]]},"properties":{"name":"Ridge Bed 4"}},{"type":"Feature","geometry":{"type":"Polygon","coordinates":[[[0.001,52.5],[0.002,52.5],[0.002,52.501],[0.001,52.5]]]},"properties":{"name":"Orchard","crop":"apples"}}]}""";
        var look = (await h.Post("/api/ground/geojson/preview", new { geoJson = geo }))["features"]!.AsArray();
        look.Select(f => (string)f!["says"]!).ShouldBe(["its outline; the area agrees", "a new bed"]);
        (await h.Get("/api/ground"))["beds"]!.AsArray().Count.ShouldBe(1); // only looked at
        await h.Post("/api/ground/geojson", new { geoJson = geo });
        var plan = await h.Get("/api/ground/plan");
        plan["beds"]!.AsArray().ShouldAllBe(b => (bool)b!["surveyed"]!);
        var round = await h.Http.GetStringAsync("/api/ground/beds.geojson");
        await h.Post("/api/ground/geojson", new { geoJson = round });
        (await h.Http.GetStringAsync("/api/ground/beds.geojson")).ShouldBe(round);
    }

    [Theory]
    [InlineData("")]
    [InlineData("hello")]
    [InlineData("{}")]
    [InlineData("""{"type":"FeatureCollection","features":[]}""")]
    [InlineData("""{"type":"FeatureCollection","features":[{"type":"Feature","geometry":{"type":"Point","coordinates":[0,0]},"properties":{"name":"x"}}]}""")]
    [InlineData("""{"type":"FeatureCollection","features":[{"type":"Feature","geometry":{"type":"Polygon","coordinates":[[[0,0],[1,1],[1,0],[0,1],[0,0]]]},"properties":{"name":"crossed"}}]}""")]
    [InlineData("""{"type":"FeatureCollection","features":[{"type":"Feature","geometry":{"type":"Polygon","coordinates":[[[0,0],[9,0],[9,9],[0,0]]]},"properties":{"name":"a country"}}]}""")]
    [InlineData("""{"type":"FeatureCollection","features":[{"type":"Feature","geometry":{"type":"Polygon","coordinates":[[[0,0],[0.001,0],[0.001,0.001],[0,0]]]},"properties":{}}]}""")]
    public async Task What_is_no_ground_is_refused(string geoJson)
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        (await h.Refused("/api/ground/geojson", new { geoJson })).ShouldNotBeEmpty();
        (await h.Get("/api/ground"))["beds"]!.AsArray().Count.ShouldBe(1);
    }

    [Fact]
    public async Task The_calendar_holds_givings_waits_calibrations_and_lots_that_go_off()
    {
        using var h = new TestHolding(demo: true);
        var calendar = await h.Http.GetStringAsync("/api/calendar.ics");
        foreach (var sign in new[] { "UID:giving-", "UID:wait-", "UID:calibrate-", "UID:lot-", "UID:batch-" })
        {
            calendar.ShouldContain(sign);
        }
    }

    [Fact]
    public async Task A_harvest_and_a_sighting_are_written_down_corrected_and_both_stay()
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        var id = (int)(await h.Post("/api/book/harvests", new { bedId = 1, weight = "12 kg" }))["id"]!;
        await h.Post("/api/book/harvests", new { bedId = 1, weight = "21 kg", note = "figures swapped", correctsId = id });
        (await h.Refused("/api/book/harvests", new { bedId = 1, weight = "1 kg", correctsId = id })).Keys.ShouldContain("correctsId");
        var entries = (await h.Get("/api/book?kind=harvest"))["entries"]!.AsArray();
        entries.Count.ShouldBe(2);
        ((string)(await h.Get("/api/book/season"))["beds"]![0]!["harvestShown"]!).ShouldBe("21 kg");
        await h.Post("/api/book/seen", new { text = "first swallow" });
        ((string)(await h.Get("/api/book?kind=seen"))["entries"]![0]!["title"]!).ShouldBe("first swallow");
    }
}
