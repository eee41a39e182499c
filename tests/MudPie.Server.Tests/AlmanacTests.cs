using System.Text.Json.Nodes;

namespace MudPie.Server.Tests;

/// <summary>The almanac and its preparations, from the question to the record.</summary>
public class AlmanacTests : IDisposable
{
    private readonly TestHolding _h = new(demo: true);

    public void Dispose()
    {
        _h.Dispose();
        GC.SuppressFinalize(this);
    }

    private Task<JsonNode> Do(int id, object did, DateTimeOffset? at = null) => _h.Post($"/api/works/{id}/steps", new { did, at });

    [Fact]
    public async Task Horns_are_buried_lifted_stirred_and_put_out()
    {
        var plan = await _h.Get("/api/ground/plan");
        var bed = plan["beds"]!.AsArray().First(b => (string)b!["name"]! == "Hop Yard")!;
        var corner = bed["points"]![0]!;
        var id = (int)(await _h.Post("/api/works/preparations", new {
            asked = new { name = "horns by the gate", kind = "500", count = "12", place = "4 paces from the post" },
            x = (double)corner["x"]! + 1, y = (double)corner["y"]! + 1
        }))["id"]!;
        (await _h.Refused($"/api/works/{id}/steps",
            new { did = new { step = "lifted", amount = "600 g" } }))["step"].ShouldContain("planned");
        await Do(id, new { step = "buried" }, new DateTimeOffset(2025, 9, 28, 10, 0, 0, TimeSpan.Zero));
        var view = await _h.Get($"/api/works/preparations/{id}");
        ((string)view["verdict"]!["sentence"]!).ShouldBe("Lift it: it is time since 21 Mar 2026.");
        ((string)view["placeShown"]!).ShouldBe("4 paces from the post; marked on the plan by Hop Yard");
        (await _h.Get("/api/ground/plan"))["marks"]!.ToJsonString().ShouldContain($"buried-{id}");
        (await _h.Get("/api/today"))["items"]!.ToJsonString().ShouldContain($"work-lift-{id}");
        await Do(id, new { step = "lifted", count = "11", amount = "620 g", colour = "dark", smell = "earthy", stored = "cellar" });
        view = await _h.Get($"/api/works/preparations/{id}");
        ((string)view["lots"]![0]!["leftShown"]!).ShouldBe("620 g");
        ((string)view["countShown"]!).ShouldBe("12 in, 11 out whole");
        (await _h.Get("/api/ground/plan"))["marks"]!.ToJsonString().ShouldNotContain($"buried-{id}");
        var rate = await _h.Get($"/api/works/preparations/{id}/rate?beds={bed["id"]}");
        ((string)rate["value"]!["amountShown"]!).ShouldEndWith(" g");
        (await _h.Refused($"/api/works/preparations/{id}/put-out", new { bedIds = new[] { (int)bed["id"]! }, water = "12 L" }))["id"]
            .ShouldContain("stirred");
        await Do(id, new { step = "stirred", amount = "36 g", added = "12.6 L", hours = "1" });
        (await _h.Get("/api/today"))["items"]!.ToJsonString().ShouldContain($"work-use-{id}");
        (await _h.Refused($"/api/works/preparations/{id}/put-out", new { bedIds = new[] { (int)bed["id"]! }, water = "12 L" }))
            .Keys.ShouldBe(["cautionsSeen"]);
        var put = new { bedIds = new[] { (int)bed["id"]!, 3 }, water = "12 L", cautionsSeen = new[] { "horn-manure-raw" } };
        var job = (int)(await _h.Post($"/api/works/preparations/{id}/put-out", put))["id"]!;
        (await _h.Refused($"/api/works/preparations/{id}/put-out", put))["id"].ShouldContain("stands in the book already");
        (await _h.Get("/api/today"))["items"]!.ToJsonString().ShouldNotContain($"work-use-{id}", Case.Sensitive, "it is out");
        ((bool)(await _h.Get($"/api/works/preparations/{id}"))["waits"]!).ShouldBeFalse();
        var entry = (await _h.Get("/api/book")).ToJsonString();
        entry.ShouldContain("500 horn manure");
        (await _h.Get($"/api/works/preparations/{id}"))["lots"]![0]!["leftShown"]!.GetValue<string>().ShouldBe("584 g");
        var stirred = (int)(await _h.Get($"/api/works/preparations/{id}"))["log"]!.AsArray()
            .First(l => ((string)l!["shown"]!).Contains("stirred", StringComparison.Ordinal))!["id"]!;
        (await _h.Refused($"/api/works/{id}/steps/{stirred}/strike", new { why = "no" }))["id"].ShouldContain("book");
        (await _h.Get("/api/book/waits"))["running"]!.ToJsonString().ShouldContain("500 horn manure", Case.Sensitive,
            "horn manure is raw manure: the wait is that of manure");
        job.ShouldBeGreaterThan(0);
    }

    [Fact]
    public async Task Juice_is_pressed_and_some_goes_into_a_heap()
    {
        var id = (int)(await _h.Post("/api/works/preparations", new { asked = new { name = "valerian of June", kind = "507" } }))["id"]!;
        await Do(id, new { step = "pressed", amount = "500 mL", colour = "brown" });
        (await _h.Refused($"/api/works/{id}/steps", new { did = new { step = "given", amount = "5 mL" } })).Keys.ShouldBe(["heapId"]);
        (await _h.Refused($"/api/works/{id}/steps", new { did = new { step = "given", amount = "5 mL", heapId = 99 } })).Keys
            .ShouldBe(["heapId"]);
        await Do(id, new { step = "given", amount = "5 mL", heapId = 2 });
        ((string)(await _h.Get($"/api/works/preparations/{id}"))["lots"]![0]!["leftShown"]!).ShouldBe("495 mL");
        (await _h.Get("/api/heaps/2")).ToJsonString().ShouldContain("5 mL of valerian of June");
        (await _h.Get("/api/book?kind=mix")).ToJsonString().ShouldContain("went into heap 2");
    }

    [Fact]
    public async Task The_year_is_drawn_with_what_lies_in_the_ground_and_its_dates_go_to_the_calendar()
    {
        var year = await _h.Get("/api/almanac");
        ((string)year["latitude"]!).ShouldBe("52.5° N");
        year["light"]!.AsArray().Count.ShouldBe(53);
        year["turns"]!.AsArray().Select(t => (string)t!["name"]!).ShouldBe(["summer solstice", "autumn equinox", "winter solstice",
            "spring equinox"]);
        year["months"]!.AsArray().Count.ShouldBe(12);
        ((double)year["today"]!).ShouldBeInRange(0, 0.09);
        year["moons"]!.AsArray().Count.ShouldBeInRange(24, 26);
        var nettle = year["rows"]!.AsArray().First(r => (string)r!["id"]! == "504")!;
        nettle["bands"]!.AsArray().Select(b => (string)b!["kind"]!).ShouldContain("ground");
        ((string)year["verdict"]!["sentence"]!).ShouldStartWith("Nettle, peat all round: lift it from 22 Jun 2026");
        ((bool)year["sowingDays"]!).ShouldBeFalse();
        year["sowing"]!.AsArray().ShouldBeEmpty();
        await _h.Post("/api/almanac/sowing", new { on = true });
        (await _h.Refused("/api/almanac/sowing", new { })).Keys.ShouldBe(["on"]);
        year = await _h.Get("/api/almanac");
        year["sowing"]!.AsArray().Count.ShouldBeGreaterThan(3);
        year["zodiac"]!["schools"]!.AsArray().Count.ShouldBe(3);
        await _h.Post("/api/holding/forks/zodiac", new { school = "equinox-twelfths" });
        ((string)(await _h.Get("/api/almanac"))["zodiac"]!["chosen"]!).ShouldBe("equinox-twelfths");
        var calendar = (await _h.Http.GetStringAsync("/api/almanac.ics")).Replace("\r\n ", "", StringComparison.Ordinal);
        calendar.ShouldContain("SUMMARY:summer solstice");
        calendar.ShouldContain("SUMMARY:Full moon");
        calendar.ShouldContain("SUMMARY:Bury: 500 horn manure");
        calendar.ShouldContain("SUMMARY:Lift nettle\\, peat all round");
        (await _h.Http.GetStringAsync("/api/calendar.ics")).ShouldContain("SUMMARY:Full moon");
    }

    [Fact]
    public async Task In_the_south_the_seasons_are_turned_and_without_a_place_nothing_is_made_up()
    {
        await _h.Post("/api/holding/place", new { name = "Saltmarsh End", place = "-43.5, 172.6", zone = "Pacific/Auckland" });
        var year = await _h.Get("/api/almanac");
        ((string)year["turns"]![0]!["name"]!).ShouldBe("winter solstice");
        var june = year["light"]!.AsArray()[2]!;
        ((double)june["set"]! - (double)june["rise"]!).ShouldBeLessThan(10);
        await _h.Post("/api/holding/place", new { name = "Saltmarsh End", place = "", zone = "Europe/London" });
        year = await _h.Get("/api/almanac");
        year["latitude"].ShouldBeNull();
        year["light"]!.AsArray().ShouldBeEmpty();
        ((string)year["verdict"]!["sentence"]!).ShouldStartWith("Say where the holding lies");
    }

    [Fact]
    public async Task A_preparation_is_changed_and_nonsense_is_refused_by_its_field()
    {
        (await _h.Refused("/api/works/preparations", new { asked = new { name = "", kind = "x", count = "many" } })).Keys
            .ShouldBe(["name", "kind", "count"], ignoreOrder: true);
        (await _h.Refused("/api/works/preparations", new { asked = new { name = "far", kind = "500" }, x = 1e7, y = 3 }))
            .Keys.ShouldBe(["x"]);
        (await _h.Refused("/api/works/preparations", new { asked = new { name = "half a point", kind = "500" }, x = 3 }))
            .Keys.ShouldBe(["x"]);
        var horns = (await _h.Get("/api/works/preparations"))["lines"]!.AsArray().First(l => ((string)l!["name"]!).Contains("nettle",
            StringComparison.Ordinal))!;
        var view = await _h.Get($"/api/works/preparations/{horns["id"]}");
        (await _h.Refused("/api/works/preparations", new {
            id = (int)horns["id"]!, version = (string)view["version"]!, asked = new { name = "nettle", kind = "500" }
        })).Keys.ShouldBe(["kind"]);
        await _h.Post("/api/works/preparations", new {
            id = (int)horns["id"]!, version = (string)view["version"]!, asked = new {
                name = "nettle by the shed", kind = "504",
                place = "north"
            }
        });
        ((string)(await _h.Get($"/api/works/preparations/{horns["id"]}"))["asked"]!["name"]!).ShouldBe("nettle by the shed");
    }
}
