using System.Text.Json.Nodes;

namespace MudPie.Server.Tests;

/// <summary>Worms and burns from the question to the record.</summary>
public class WorkTests : IDisposable
{
    private readonly TestHolding _h = new(demo: true);

    public void Dispose()
    {
        _h.Dispose();
        GC.SuppressFinalize(this);
    }

    private Task<JsonNode> Do(int id, object did, DateTimeOffset? at = null) => _h.Post($"/api/works/{id}/steps", new { did, at });

    private async Task<IReadOnlyDictionary<string, string>> Refused(int id, object did) =>
        await _h.Refused($"/api/works/{id}/steps", new { did, at = (DateTimeOffset?)null });

    private async Task<string> Today() => (await _h.Get("/api/today"))["items"]!.ToJsonString();

    private async Task<int> Bin(string name = "bin by the door") => (int)(await _h.Post("/api/works/worms", new {
        asked = new {
            name, worms = "800 g", trays = new object[] { new { name = "low", holds = "30 L" },
            new { name = "high", holds = "30 L" } }
        }
    }))["id"]!;

    [Fact]
    public async Task A_tray_is_filled_works_and_is_harvested_as_a_source_for_a_brew()
    {
        var id = await Bin();
        (await Refused(id, new { step = "fed", amount = "400 g" }))["tray"].ShouldContain("No tray");
        await Do(id, new { step = "bedding", tray = "low", amount = "8 L", what = "cardboard" });
        await Do(id, new { step = "fed", amount = "6 kg" });
        var bin = await _h.Get($"/api/works/worms/{id}");
        ((string)bin["feeding"]!).ShouldBe("low");
        ((string)bin["verdict"]!["sentence"]!).ShouldStartWith("Feed nothing until");
        ((string)bin["trays"]![1]!["laidShown"]!).ShouldStartWith("6 kg of food");
        await Do(id, new { step = "full", tray = "low" });
        _h.Clock.Advance(TimeSpan.FromDays(61));
        (await Today()).ShouldContain($"work-ready-{id}");
        await Do(id, new { step = "ready", tray = "low" });
        (await Today()).ShouldContain($"work-harvest-{id}");
        await Do(id, new { step = "harvested", tray = "low", amount = "16 L", back = "3 L" });
        (await Today()).ShouldNotContain($"work-harvest-{id}");
        bin = await _h.Get($"/api/works/worms/{id}");
        ((string)bin["lots"]![0]!["leftShown"]!).ShouldBe("13 L");
        (await _h.Get("/api/brew/sources")).ToJsonString().ShouldContain("castings, bin by the door");
        (await _h.Get("/api/book?kind=mix")).ToJsonString().ShouldContain("13 L of castings harvested, low, 3 L sieved back");
        var entry = (int)bin["log"]!.AsArray().First(l => ((string)l!["shown"]!).Contains("harvested", StringComparison.Ordinal))!["id"]!;
        await _h.Post($"/api/works/{id}/steps/{entry}/strike", new { why = "the other tray" });
        bin = await _h.Get($"/api/works/worms/{id}");
        ((string)bin["lots"]![0]!["leftShown"]!).ShouldBe("0 L");
        ((string)bin["trays"]!.AsArray().Last()!["state"]!).ShouldBe("ready");
        (await _h.Refused($"/api/works/{id}/steps/{entry}/strike", new { why = "again" }))["id"].ShouldContain("struck already");
    }

    [Fact]
    public async Task Worms_are_fed_by_a_note_and_an_alarm_is_on_today()
    {
        var read = await _h.Post("/api/notes/read", new { text = "fed worms 400 g coffee grounds" });
        ((string)read["understood"]!["sentence"]!).ShouldBe("Fed 400 g of coffee grounds to worm bin.");
        await _h.Post("/api/notes", new { text = "fed worms 400 g coffee grounds" });
        (await _h.Get("/api/works/worms/1"))["log"]![0]!["shown"]!.GetValue<string>().ShouldBe("fed 400 g of coffee grounds, tray 3");
        (await _h.Refused("/api/notes", new { text = "fed worms 300 g meat" }))["text"].ShouldContain("meat");
        (await _h.Refused("/api/notes/read", new { text = "fed worms" }))["text"].ShouldContain("how much");
        await Do(1, new { step = "alarm" });
        (await Today()).ShouldContain("work-alarm-1");
        (await _h.Get("/api/make/yard"))["behind"]!.ToJsonString().ShouldContain("worms climb out");
        await Do(1, new { step = "seen", note = "paper laid in" });
        (await Today()).ShouldNotContain("work-alarm-1");
        var calendar = (await _h.Http.GetStringAsync("/api/calendar.ics")).Replace("\r\n ", "", StringComparison.Ordinal);
        calendar.ShouldContain("SUMMARY:Is tray 2 of worm bin ready?");
    }

    [Fact]
    public async Task What_is_logged_late_is_judged_as_it_stood_then()
    {
        var id = await Bin();
        await Do(id, new { step = "fed", tray = "low", amount = "400 g" });
        _h.Clock.Advance(TimeSpan.FromDays(2));
        var before = _h.Now.AddHours(-3);
        await Do(id, new { step = "full", tray = "low" });
        (await Refused(id, new { step = "fed", tray = "low", amount = "200 g" }))["tray"].ShouldContain("full");
        await Do(id, new { step = "fed", tray = "low", amount = "200 g" }, before); // it came late, and was before
        ((string)(await _h.Get($"/api/works/worms/{id}"))["trays"]!.AsArray().Last()!["laidShown"]!).ShouldBe("600 g of food");
        (await _h.Refused($"/api/works/{id}/steps", new { did = new { step = "seen", note = "x" }, at = _h.Now.AddDays(-9) }))["at"]
            .ShouldContain("not begun");
        (await _h.Refused($"/api/works/{id}/steps", new { did = (object?)null }))["did"].ShouldContain("Nothing");
        (await _h.Refused("/api/works/99/steps", new { did = new { step = "seen", note = "x" } }))["id"].ShouldContain("not there");
    }

    [Fact]
    public async Task A_bin_is_changed_and_a_tray_with_something_in_it_is_kept()
    {
        var id = await Bin();
        await Do(id, new { step = "fed", tray = "low", amount = "400 g" });
        var version = (string)(await _h.Get($"/api/works/worms/{id}"))["version"]!;
        object Asked(string tray) => new {
            name = "bin by the door", worms = "1 kg",
            trays = new object[] { new { name = tray, holds = "20 L" } }
        };
        (await _h.Refused("/api/works/worms", new { id, version, asked = Asked("top") }))["trays"].ShouldContain("something in low");
        await _h.Post("/api/works/worms", new { id, version, asked = Asked("low") });
        var (status, _) = await _h.Send("/api/works/worms", new { id, version, asked = Asked("low") }, null);
        status.ShouldBeOneOf(409, 422);
        (await _h.Refused("/api/works/worms", new { asked = Asked("low") }))["name"].ShouldContain("already");
        var place = (int)(await _h.Post("/api/works/worms",
            new { asked = new { name = "under the garlic", inPlace = true, bedId = 3 } }))["id"]!;
        await Do(place, new { step = "fed", amount = "2 kg" });
        (await _h.Get("/api/book?bed=3&kind=mix")).ToJsonString().ShouldContain("under the garlic: fed 2 kg");
        (await Refused(place, new { step = "harvested", amount = "2 L" }))["step"].ShouldContain("no trays");
    }

    [Fact]
    public async Task A_burn_goes_from_the_permit_to_the_last_can()
    {
        object asked = new { name = "burn 9", depth = "60 cm", top = "1.5 m", wood = "hedge brash", amount = "1.5 m3" };
        ((string)(await _h.Post("/api/works/burns/work-out", asked))["value"]!["pitShown"]!).ShouldBe("353 L");
        (await _h.Refused("/api/works/burns", new {
            asked = new {
                name = "b", depth = "60 cm", top = "1 m", wood = "painted door",
                amount = "90 kg"
            }
        }))
            ["wood"].ShouldContain("may not be burnt");
        var id = (int)(await _h.Post("/api/works/burns", new { asked }))["id"]!;
        (await Refused(id, new { step = "lit", permit = true }))["water"].ShouldContain("No water");
        await Do(id, new { step = "lit", permit = true, water = true, wind = "1 m/s" });
        _h.Clock.Advance(TimeSpan.FromHours(2));
        (await _h.Get($"/api/works/burns/{id}"))["cautions"]!.ToJsonString().ShouldContain("burn-steam");
        await Do(id, new { step = "quenched", amount = "300 L" });
        (await Today()).ShouldContain($"work-feel-{id}"); // within the hour
        _h.Clock.Advance(TimeSpan.FromHours(1));
        await Do(id, new { step = "felt", heat = "cold" });
        (await Today()).ShouldNotContain($"work-feel-{id}");
        (await Refused(id, new { step = "measured", amount = "300 L" }))["note"].ShouldContain("not felt cold");
        _h.Clock.Advance(TimeSpan.FromHours(10));
        (await Today()).ShouldContain($"work-feel-{id}");
        (await _h.Get("/api/make/yard"))["behind"]!.ToJsonString().ShouldContain("pit");
        await Do(id, new { step = "felt", heat = "cold" });
        await Do(id, new { step = "measured", amount = "300 L", density = "0.2" });
        var burn = await _h.Get($"/api/works/burns/{id}");
        ((string)burn["yieldShown"]!).ShouldBe("300 L, 20 % of the wood as it was stacked");
        ((string)burn["carbonShown"]!).ShouldContain("not a credit");
        await Do(id, new { step = "carried", amount = "100 L", what = "heap 2" });
        burn = await _h.Get($"/api/works/burns/{id}");
        ((string)burn["leftShown"]!).ShouldBe("200 L");
        ((string)burn["lots"]![0]!["leftShown"]!).ShouldBe("200 L");
        (await _h.Get("/api/make/yard"))["behind"]!.ToJsonString().ShouldNotContain("burn 9");
        (await _h.Get("/api/book?kind=mix")).ToJsonString().ShouldContain("burn 9: 100 L of char went to heap 2");
    }

    [Fact]
    public async Task Castings_and_brash_are_told_in_the_holdings_units()
    {
        var fed = await _h.Post("/api/works/worms/castings", new { pot = "3 L", share = "30", crop = "lettuce" });
        ((string)fed["value"]!["verdict"]!["tone"]!).ShouldBe("mind");
        fed["value"]!["outlook"]!["weeks"]!.AsArray().Count.ShouldBe(9);
        (await _h.Refused("/api/works/worms/castings", new { pot = "3 L", share = "0", crop = "lettuce" })).Keys.ShouldContain("share");
        (await _h.Post("/api/works/brash", new { amount = "2 m3" }))["value"]!["ways"]!.AsArray().Count.ShouldBe(3);
        await _h.Post("/api/holding/units", new { units = "usCustomary" });
        ((string)(await _h.Post("/api/works/brash", new { amount = "300 gal" }))["value"]!["ways"]![0]!["gives"]!).ShouldContain("gal");
        ((string)(await _h.Get("/api/works/worms/1"))["todayShown"]!).ShouldContain("lb");
    }
}
