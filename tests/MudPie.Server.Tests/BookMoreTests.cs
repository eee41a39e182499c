using System.Text.Json.Nodes;

namespace MudPie.Server.Tests;

/// <summary>The book by page, by bed, by input, by year; waits as rules change; threads of bottles.</summary>
public sealed class BookMoreTests
{
    private static IEnumerable<JsonNode> Entries(JsonNode page) => page["entries"]!.AsArray().Select(e => e!);

    [Fact]
    public async Task The_book_is_read_page_by_page_without_a_gap_or_a_double()
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        for (var i = 0; i < 95; i++)
        {
            await h.Post("/api/book/seen", new { text = $"day {i}", at = h.Now.AddHours(-i) });
        }

        var seen = new List<string>();
        for (var page = 0; page < 3; page++)
        {
            var view = await h.Get($"/api/book?page={page}");
            ((bool)view["more"]!).ShouldBe(page < 2);
            seen.AddRange(Entries(view).Select(e => (string)e["title"]!));
        }

        seen.ShouldBe(Enumerable.Range(0, 95).Select(i => $"day {i}"));
    }

    [Fact]
    public async Task It_is_read_by_bed_and_by_input()
    {
        using var h = new TestHolding(demo: true);
        var beds = (await h.Get("/api/ground"))["beds"]!.AsArray();
        var hops = (int)beds.Single(b => (string)b!["name"]! == "Hop Yard")!["id"]!;
        Entries(await h.Get($"/api/book?bed={hops}")).ShouldAllBe(e => e["beds"]!.AsArray().Any(b => (string)b! == "Hop Yard"));
        var copper = (int)(await h.Get("/api/shelf"))["inputs"]!.AsArray()
            .Single(i => (string)i!["name"]! == "copper for the hops")!["id"]!;
        Entries(await h.Get($"/api/book?input={copper}")).Single()["title"]!.GetValue<string>().ShouldBe("copper for the hops on leaves");
        var fish = (int)(await h.Get("/api/shelf"))["inputs"]!.AsArray().Single(i => (string)i!["name"]! == "fish hydrolysate")!["id"]!;
        var withFish = Entries(await h.Get($"/api/book?input={fish}")).ToList();
        // what was brewed of it, and where that went
        withFish.Select(e => (string)e["kind"]!).Distinct().Order().ShouldBe(["batch", "job"]);
    }

    [Fact]
    public async Task The_demo_shows_a_correction_with_the_old_entry_struck_through()
    {
        using var h = new TestHolding(demo: true);
        var jobs = Entries(await h.Get("/api/book?kind=job")).ToList();
        var right = jobs.Single(e => e["correctsId"] is not null);
        ((string)right["correctionWhy"]!).ShouldContain("not 60");
        ((int)jobs.Single(e => (int)e["id"]! == (int)right["correctsId"]!)["correctedBy"]!).ShouldBe((int)right["id"]!);
        var spores = (await h.Get("/api/shelf"))["inputs"]!.AsArray().Single(i => (string)i!["name"]! == "Rootbank spores")!;
        ((string)spores["leftShown"]!).ShouldBe("1.49 L"); // 1.5 L less 6 mL: the 60 was given back
    }

    [Fact]
    public async Task A_year_holds_what_happened_in_it_by_the_holding_s_own_clock()
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        await h.Post("/api/book/harvests", new { bedId = 1, weight = "2 kg", at = "2025-12-31T23:30:00Z" });
        await h.Post("/api/book/harvests", new { bedId = 1, weight = "3 kg", at = "2026-01-01T00:30:00Z" });
        await h.Post("/api/book/harvests", new { bedId = 1, weight = "5 kg", at = "2026-05-31T23:30:00Z" });
        var season = await h.Get("/api/book/season?year=2025");
        season["years"]!.AsArray().Select(y => (int)y!).ShouldBe([2026, 2025]);
        ((string)season["beds"]![0]!["harvestShown"]!).ShouldBe("2 kg");
        ((string)(await h.Get("/api/book/season?year=2026"))["beds"]![0]!["harvestShown"]!).ShouldBe("8 kg");
        ((int)(await h.Get("/api/book/season?year=1066"))["year"]!).ShouldBe(2026);
    }

    [Fact]
    public async Task The_newest_rule_for_a_wait_counts_and_a_bed_not_eaten_raw_waits_for_no_brew()
    {
        using var h = new TestHolding(demo: true);
        async Task<List<string>> Waiting() => [.. (await h.Get("/api/book/waits"))["running"]!.AsArray().Select(w => (string)w!["bed"]!)];
        (await Waiting()).ShouldContain("Ridge Bed 6");
        await h.Post("/api/book/waits", new { kind = "brew", days = "30", why = "scheme of this year" });
        (await Waiting()).ShouldContain("Ridge Bed 6"); // two days ago
        await h.Post("/api/book/waits", new { kind = "brew", days = "1", why = "scheme of next year" });
        (await Waiting()).ShouldNotContain("Ridge Bed 6");
        await h.Post("/api/book/waits", new { kind = "brew", days = "200", why = "back to caution again" });
        var bed = (int)(await h.Get("/api/ground"))["beds"]!.AsArray().Single(b => (string)b!["name"]! == "Ridge Bed 7")!["id"]!;
        (await Waiting()).ShouldContain("Ridge Bed 7");
        await h.Post("/api/book/waits", new { kind = "brew", days = "120", why = "as the house has it" });
        await h.Post($"/api/book/beds/{bed}/eaten", new { how = "nothing" });
        var rules = (await h.Get("/api/book/waits"))["rules"]!.AsArray().Single(r => (string)r!["kind"]! == "brew")!;
        ((double)rules["days"]!, (bool)rules["own"]!).ShouldBe((120, true));
    }

    [Fact]
    public async Task A_bottle_s_thread_goes_straight_to_its_jobs_and_leaves_out_what_was_put_right()
    {
        using var h = new TestHolding(demo: true);
        var lot = (await h.Get("/api/book/thread/starts")).AsArray().First(s => ((string)s!["name"]!).Contains("RB-24"))!["id"]!;
        var thread = await h.Get($"/api/book/thread?of={lot}");
        // one job: the wrong one does not count twice
        thread["knots"]!.AsArray().Select(k => (string)k!["kind"]!).ShouldBe(["lot", "job", "bed"], ignoreOrder: true);
        ((string)thread["sentence"]!).ShouldContain("1 job");
    }

    [Fact]
    public async Task Windows_on_the_day_line_open_and_shut_with_the_weather_and_waits_end_on_it()
    {
        using var h = new TestHolding(demo: true);
        var line = await h.Get("/api/day-line");
        line["windows"]!.AsArray().Count.ShouldBeGreaterThan(2);
        line["brews"]!.AsArray().ShouldAllBe(b => (bool)b!["moves"]!);
        await h.Post("/api/weather/file",
            new {
                csv = "time,°C,wind m/s,rain mm\n" + string.Join('\n', Enumerable.Range(-1, 60)
                .Select(i => $"{h.Now.AddHours(i).UtcDateTime:yyyy-MM-dd'T'HH:00:00'Z'},15,12,0"))
            });
        (await h.Get("/api/day-line"))["windows"]!.AsArray().ShouldBeEmpty();
        await h.Post("/api/book/waits", new { kind = "brew", days = "3", why = "three days by our own rule" });
        (await h.Get("/api/day-line"))["waits"]!.AsArray().Select(w => (string)w!["text"]!)
            .ShouldContain(w => w.StartsWith("Ridge Bed 6 may be harvested", StringComparison.Ordinal));
    }
}
