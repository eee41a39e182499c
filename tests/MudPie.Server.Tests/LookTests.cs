using System.Text.Json.Nodes;
using Microsoft.Extensions.DependencyInjection;

namespace MudPie.Server.Tests;

/// <summary>Pegs, zones, walks and their pictures, from the question to the record.</summary>
public class LookTests : IDisposable
{
    private readonly TestHolding _h = new(demo: true);

    public void Dispose()
    {
        _h.Dispose();
        GC.SuppressFinalize(this);
    }

    private async Task<int> Id(string path, object body) => (int)(await _h.Post(path, body))["id"]!;

    private async Task<JsonNode> Peg(int id) => await _h.Get($"/api/look/pegs/{id}");

    private static object Worms(params int[] counts) => new { kind = "worms", counts };

    [Fact]
    public async Task A_peg_is_touched_on_the_plan_looked_at_put_right_and_struck()
    {
        var plan = await _h.Get("/api/ground/plan");
        var bed = plan["beds"]!.AsArray().First(b => (string)b!["name"]! == "Hop Yard")!;
        var corner = bed["points"]![0]!;
        var peg = await Id("/api/look/pegs", new {
            name = "by the gate", x = (double)corner["x"]! + 2, y = (double)corner["y"]! + 2,
            paces = "4 from the post"
        });
        (await _h.Get("/api/ground/plan"))["marks"]!.ToJsonString().ShouldContain($"peg-{peg}");
        ((string)(await Peg(peg))["verdict"]!["sentence"]!).ShouldBe("Nothing was looked at here yet.");
        var check = await Id("/api/look/checks", new {
            pegId = peg, check = Worms(9, 11), wet = "moist", rainHours = "31", rain = "12 mm",
            who = "hand"
        });
        var page = await Peg(peg);
        ((string)page["under"]!).ShouldContain("31 h after 12 mm of rain");
        ((string)page["past"]![0]!["cells"]![0]!).ShouldBe("10");
        var right = await Id("/api/look/checks", new { pegId = peg, check = Worms(9, 1), correctsId = check, why = "a slip of the thumb" });
        (await _h.Refused("/api/look/checks", new { pegId = peg, check = Worms(9), correctsId = check, why = "again" })).Keys
            .ShouldBe(["correctsId"]);
        page = await Peg(peg);
        page["log"]!.AsArray().Count.ShouldBe(2, "what was put right stays readable");
        page["log"]!.AsArray().Select(l => (string?)l!["gone"]).OfType<string>().ShouldBe(["put right: a slip of the thumb"]);
        page["log"]!.AsArray().Select(l => (string?)l!["at"]).Distinct().Count().ShouldBe(1, "of the hour in which it was found");
        ((string)page["under"]!).ShouldContain("31 h after 12 mm of rain", Case.Sensitive, "on the ground as it was");
        ((string)page["past"]![0]!["cells"]![0]!).ShouldBe("5");
        (await _h.Refused($"/api/look/checks/{right}/strike", new { why = "" })).Keys.ShouldBe(["why"]);
        var warm = await Id("/api/look/checks", new { pegId = peg, check = Worms(3), warmth = "52 F" });
        var line = (await Peg(peg))["log"]!.AsArray().Single(l => (int)l!["id"]! == warm)!;
        ((double)line["asked"]!["soilC"]!).ShouldBe(11.111, 0.001);
        ((string)line["warmth"]!).ShouldBe("11.1111 °C");
        (await _h.Refused("/api/look/checks", new { pegId = peg, check = Worms(3), warmth = "200 F" })).Keys.ShouldBe(["warmth"]);
        await _h.Post($"/api/look/checks/{warm}/strike", new { why = "once was enough" });
        await _h.Post($"/api/look/checks/{right}/strike", new { why = "the wrong peg" });
        (await Peg(peg))["past"]!.AsArray().ShouldBeEmpty();
        (await _h.Get("/api/book?kind=field")).ToJsonString().ShouldNotContain("by the gate");
        await _h.Post($"/api/look/pegs/{peg}/end", new { });
        (await _h.Get("/api/look/walk"))["pegs"]!.ToJsonString().ShouldNotContain("by the gate");
        (await Peg(peg))["log"]!.AsArray().Count.ShouldBe(3, "its past stays");
    }

    [Fact]
    public async Task What_cannot_be_of_a_peg_or_a_check_is_told_at_its_field()
    {
        (await _h.Refused("/api/look/pegs", new { name = "", x = 1e9, y = 0.0 })).Keys.ShouldBe(["name", "x"], ignoreOrder: true);
        (await _h.Refused("/api/look/pegs", new { name = "a" })).Keys.ShouldBe(["bedId"]);
        (await _h.Refused("/api/look/pegs", new { name = "a", bedId = 2, zoneId = 1, besideId = 99 })).Keys.ShouldBe(["zoneId", "besideId"],
            ignoreOrder: true);
        (await _h.Refused("/api/look/checks", new { pegId = 99, check = Worms(-1), rain = "much", rainHours = "soon" })).Keys
            .ShouldBe(["pegId", "check.counts", "rain", "rainHours"], ignoreOrder: true);
        (await _h.Refused("/api/look/checks", new { pegId = 1, check = Worms(3), at = _h.Now.AddDays(2) })).Keys.ShouldBe(["at"]);
        (await _h.Refused("/api/look/checks/read", new { pegId = 1 })).Keys.ShouldBe(["check.kind"]);
        (await _h.Refused("/api/look/walks", new { name = "round", plan = new { kinds = Array.Empty<string>(), pegs = new[] { 99 } } }))
            .Keys.ShouldContain("kinds");
    }

    [Fact]
    public async Task Three_kinds_of_check_step_the_dose_and_one_does_not_everywhere_alike()
    {
        async Task<string> Life() => (await _h.Get("/api/ground"))["beds"]!.AsArray()
            .First(b => (string)b!["name"]! == "Ridge Bed 1")!["life"]
            ?.ToString() ?? "not known";
        var peg = await Id("/api/look/pegs", new { name = "middle", bedId = 2 });
        await _h.Post("/api/look/checks", new { pegId = peg, check = Worms(14, 12) });
        await _h.Post("/api/look/checks", new { pegId = peg, check = new { kind = "roots", plants = 10, turned = 0 } });
        (await Life()).ShouldBe("not known");
        ((string)(await Peg(peg))["dose"]!["value"]!["sentence"]!).ShouldStartWith("Not known yet: the full dose");
        await _h.Post("/api/look/checks", new { pegId = peg, check = new { kind = "crumbs", classes = new[] { 3, 4, 4, 3, 5, 4 } } });
        (await Life()).ShouldBe("living", "worms and roots living, crumbs middling: the middle one");
        ((string)(await Peg(peg))["dose"]!["value"]!["sentence"]!).ShouldContain("steps down from 1000 L a hectare to 300 L a hectare");
        async Task<string> Plan() => (await _h.Post("/api/brew/plan", new {
            bedIds = new[] { 2 }, purpose = "root", making = "extract",
            useAt = _h.Now.AddDays(3), warmthC = 18, swingC = 2
        })).ToJsonString();
        (await Plan()).ShouldContain("0.3 of the full dose");
        await _h.Post("/api/look/beds/2/dose", new { keepsFull = true });
        (await Plan()).ShouldNotContain("of the full dose", Case.Sensitive, "the grower keeps it");
        ((string)(await Peg(peg))["dose"]!["value"]!["sentence"]!).ShouldContain("you keep the full dose");
        _h.Clock.Advance(TimeSpan.FromDays(370));
        (await Life()).ShouldBe("not known", "a year on nothing speaks any more");
    }

    [Fact]
    public async Task A_walk_shows_last_time_beside_this_time_and_counts_what_is_done()
    {
        var before = (await _h.Get("/api/look/walk"))["pegs"]![0]!["last"]!.AsArray().First(l => (string)l!["kind"]! == "worms")!;
        ((string)before["shown"]!).ShouldBe("34 worms in 3 blocks: 11.3 a block");
        await _h.Post("/api/look/checks", new { pegId = 1, check = Worms(15, 12, 13) });
        var data = await _h.Get("/api/look/walk");
        var now = data["pegs"]![0]!["last"]!.AsArray().First(l => (string)l!["kind"]! == "worms")!;
        ((string)now["shown"]!, (string)now["before"]!)
            .ShouldBe(("40 worms in 3 blocks: 13.3 a block", "34 worms in 3 blocks: 11.3 a block"));
        var walk = data["walks"]![0]!;
        ((int)walk["stands"]!["done"]!.AsArray().Single()!, (bool)walk["stands"]!["due"]!).ShouldBe((1, false));
        ((string)walk["next"]!).ShouldBe("2026-10-01");
        var id = await Id("/api/look/walks", new {
            name = "hops only", hungOn = "tying in", plan = new {
                kinds = new[] { "worms" },
                pegs = new[] { 5 }, months = new[] { 6 }, photo = false
            }
        });
        (await _h.Get("/api/today"))["items"]!.ToJsonString().ShouldContain($"walk-{id}", Case.Sensitive, "it is its month");
        await _h.Post("/api/look/checks", new { pegId = 5, check = Worms(4) });
        (await _h.Get("/api/today"))["items"]!.ToJsonString().ShouldNotContain($"walk-{id}");
        await _h.Post($"/api/look/walks/{id}/end", new { });
        (await _h.Get("/api/look/walk"))["walks"]!.AsArray().Count.ShouldBe(1);
    }

    [Fact]
    public async Task A_strip_is_laid_in_and_dug_up_seven_weeks_later_and_today_says_when()
    {
        await _h.Post("/api/look/checks", new { pegId = 5, check = new { kind = "cotton", buried = true } });
        _h.Clock.Advance(TimeSpan.FromDays(49));
        (await _h.Get("/api/today"))["items"]!.ToJsonString().ShouldContain("Dig up the strip");
        (await _h.Http.GetStringAsync("/api/calendar.ics")).Replace("\r\n ", "", StringComparison.Ordinal)
            .ShouldContain("Dig up the strip");
        var read = await _h.Post("/api/look/checks/read", new { pegId = 5, check = new { kind = "cotton", gone = 0.7 } });
        ((string)read["value"]!["shown"]!).ShouldContain("in 7 weeks");
        await _h.Post("/api/look/checks", new { pegId = 5, check = new { kind = "cotton", gone = 0.7 } });
        (await _h.Get("/api/today"))["items"]!.ToJsonString().ShouldNotContain("Dig up the strip");
    }

    [Fact]
    public async Task Pegs_that_are_a_pair_are_held_against_each_other_from_both_sides()
    {
        var pair = (await Peg(1))["pairs"]![0]!;
        ((int)pair["pegId"]!, (string)pair["here"]!, (string)pair["there"]!).ShouldBe((2, "lies wet", "lies dry"));
        pair["lines"]!.AsArray().Select(l => (string)l!["kind"]!).ShouldBe(["block", "worms", "crumbs", "roots"]);
        ((string)pair["lines"]![2]!["says"]!).ShouldBe("6 of 8 against 8 of 8");
        ((int)(await Peg(2))["pairs"]![0]!["pegId"]!).ShouldBe(1);
    }

    [Fact]
    public async Task Zones_are_drawn_and_a_yield_map_makes_them_with_a_peg_in_each()
    {
        var plan = await _h.Get("/api/ground/plan");
        var points = plan["beds"]!.AsArray().First(b => (string)b!["name"]! == "Currant Rows")!["points"]!;
        var zone = await Id("/api/look/zones", new { bedId = 10, name = "by the ditch", texture = "clay", outline = points });
        var drawn = (await _h.Get("/api/look/walk"))["zones"]!.AsArray().First(z => (int)z!["id"]! == zone)!;
        ((double)drawn["outline"]![2]!["x"]!).ShouldBe((double)points[2]!["x"]!, 1e-6);
        (await _h.Refused("/api/look/zones", new { bedId = 10, name = "", outline = new[] { new { x = 0.0, y = 0.0 } } })).Keys
            .ShouldBe(["name", "outline"], ignoreOrder: true);
        await _h.Post($"/api/look/zones/{zone}/end", new { });
        string Map(Func<int, double> yield) => "{\"type\":\"FeatureCollection\",\"features\":[" + string.Join(',', Enumerable.Range(0, 40)
            .Select(i => $$$"""{"type":"Feature","properties":{"t":{{{yield(i)}}},"note":"x"},"geometry":{"type":"Point","coordinates":[{{{0.0023 + (i % 8 * 0.00015)}}},{{{52.50002 + (i / 8 * 0.00009)}}}]}}""")) + "]}";
        var good = Map(i => 2 + (i % 8));
        var preview = await _h.Post("/api/look/zones/yield/preview", new { geoJson = good, zones = 2, bedId = 10 });
        ((string)preview["property"]!).ShouldBe("t");
        preview["zones"]!.AsArray().Select(z => (string)z!["name"]!).ShouldBe(["poor", "good"]);
        (await Id("/api/look/zones/yield", new { geoJson = good, property = "t", zones = 2, bedId = 10 })).ShouldBe(2);
        var data = await _h.Get("/api/look/walk");
        data["pegs"]!.AsArray().Where(p => (int)p!["bedId"]! == 10).Select(p => (string)p!["name"]!).ShouldBe(["third row", "poor peg",
            "good peg"]);
        data["zones"]!.AsArray().Where(z => (int)z!["bedId"]! == 10).Sum(z => z!["points"]!.AsArray().Count).ShouldBe(40);
        foreach (var (bad, field) in new[] { ("nonsense", "geoJson"), (Map(_ => 3), "geoJson"), ("{\"type\":\"FeatureCollection\","
            + "\"features\":[]}", "geoJson") })
        {
            (await _h.Refused("/api/look/zones/yield/preview", new { geoJson = bad, zones = 2, bedId = 10 })).Keys.ShouldBe([field]);
        }

        (await _h.Refused("/api/look/zones/yield/preview", new { geoJson = good, zones = 2, bedId = 10, property = "note" })).Keys
            .ShouldBe(["property"]);
    }

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public async Task A_picture_keeps_the_hour_of_its_camera_and_its_place_only_where_that_is_wanted(bool wanted)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post,
            $"/api/look/pegs/5/photos?at=2026-06-10T04:50:00Z&toward=the%20oak&heightM=1.5&keepPlace={(wanted ? "true" : "false")}") {
            Content = new ByteArrayContent(CameraPicture.Jpeg("2026:06:09 07:30:00"))
        };
        request.Content.Headers.ContentType = new("image/jpeg");
        request.Headers.Add("Idempotency-Key", Guid.NewGuid().ToString());
        var sent = await _h.Http.SendAsync(request);
        var id = (int)JsonNode.Parse(await sent.Content.ReadAsStringAsync())!["id"]!;
        var picture = (await Peg(5))["pictures"]!.AsArray().Last()!;
        ((int)picture["photoId"]!, (DateTimeOffset)picture["at"]!).ShouldBe((id, new DateTimeOffset(2026, 6, 9, 6, 30, 0, TimeSpan.Zero)),
            "half past seven in summer at the holding");
        ((string)picture["says"]!).ShouldBe("the oak, from 1.5 m");
        var whole = await _h.Http.GetByteArrayAsync($"/api/brew/photos/{id}");
        var small = await _h.Http.GetByteArrayAsync($"/api/look/photos/{id}/small");
        System.Text.Encoding.Latin1.GetString(whole).ShouldNotContain("Exif");
        small.Length.ShouldBeLessThan(whole.Length);
        using var scope = _h.Services.CreateScope();
        var kept = scope.ServiceProvider.GetRequiredService<Records.HoldingDb>().PegPhotos.OrderByDescending(p => p.Id).First();
        kept.Latitude.ShouldBe(wanted ? 52.5 : null);
        kept.Longitude.ShouldBe(wanted ? -0.25 : null);
    }

    [Fact]
    public async Task All_pegs_over_the_years_are_read_by_one_check()
    {
        var years = await _h.Get("/api/look/years");
        ((string)years["kind"]!, (double)years["good"]!, (double)years["poor"]!).ShouldBe(("worms", 8, 4));
        years["lines"]!.AsArray().Count.ShouldBe(5);
        years["lines"]![0]!["points"]!.AsArray().Count.ShouldBe(4);
        (await _h.Get("/api/look/years?kind=rod"))["lines"]!.AsArray().Count.ShouldBe(1);
        (await _h.Get("/api/look/years?kind=nonsense"))["kind"]!.ToString().ShouldBe("worms");
    }
}
