using System.IO.Compression;
using System.Text.Json.Nodes;
using MudPie.Records;

namespace MudPie.Server.Tests;

/// <summary>Sheets of soil, leaf and sap by bed; labs' files; sampling; claims; the whole holding as a zip.</summary>
public sealed class SheetPlaceTests : IDisposable
{
    private readonly TestHolding _h = new(demo: true);

    public void Dispose() => _h.Dispose();

    private static object Row(string of, string value, string unit, string? age = null) => new { of, value, unit, age };

    private async Task<int> Keep(object asked) => (int)(await _h.Post("/api/sheets", new { asked }))["id"]!;

    [Fact]
    public async Task Soil_leaf_and_sap_of_a_bed_are_read_together()
    {
        var beds = (await _h.Get("/api/sheets/beds")).AsArray();
        var ridge = beds.Single(b => (string)b!["bed"]! == "Ridge Bed 3")!;
        ridge["newest"]!.AsArray().Select(n => $"{n!["of"]}: {n["says"]}").ShouldBe(["bed: short of potassium, sulphur and boron",
            "leaf: short of potassium and boron", "sap: short of potassium"]);
        var page = await _h.Get($"/api/sheets/beds/{ridge["bedId"]}");
        var k = page["nutrients"]!.AsArray().Single(n => (string)n!["id"]! == "K")!;
        ((string)k["says"]!).ShouldStartWith("Short in the ground");
        k["figures"]!.AsArray().Count.ShouldBe(5); // two of soil, a leaf, sap of young and of old leaves
        k["figures"]!.AsArray().Where(f => (string)f!["of"]! == "bed").Select(f => (string)f!["series"]!).Distinct().Count().ShouldBe(1);
        (await _h.Http.GetAsync("/api/sheets/beds/999")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_sheet_is_held_against_the_one_before_of_its_own_kind()
    {
        var soil = (await _h.Get("/api/sheets/5"))["asked"]!;
        var told = (await _h.Post("/api/sheets/work-out?id=5", soil))["value"]!["compared"]!;
        ((string)told["before"]!).ShouldStartWith("Ridge Bed 3, soil as we began");
        told["changes"]!.AsArray().Single(c => (string)c!["name"]! == "potassium")!["says"]!.GetValue<string>()
            .ShouldBe("down by 27 %: more than labs stray");
        soil["lab"] = "another lab";
        ((string)(await _h.Post("/api/sheets/work-out?id=5", soil))["value"]!["compared"]!["whyNot"]!)
            .ShouldContain("no line goes through");
        // a lab whose figures stray by a third: then it is inside the noise
        await _h.Post("/api/sheets/labs", new { name = "the county lab", stray = "33" });
        soil["lab"] = "the county lab";
        (await _h.Post("/api/sheets/work-out?id=5", soil))["value"]!["compared"]!["changes"]!.AsArray()
            .Single(c => (string)c!["name"]! == "potassium")!["says"]!.GetValue<string>().ShouldBe("down by 27 %: inside the noise");
        (await _h.Refused("/api/sheets/labs", new { name = "x", stray = "80" })).ShouldContainKey("stray");
    }

    [Fact]
    public async Task A_choice_comes_back_and_may_be_chosen_anew()
    {
        var id = await Keep(new {
            name = "fennel leaf", @for = "leaf", bedId = 5, rows = new[] { Row("Zn", "14", "ppm") },
            choices = new[] { new { of = "Zn", choice = "leafNow" } }
        });
        var kept = await _h.Get($"/api/sheets/{id}");
        ((string)kept["asked"]!["choices"]![0]!["back"]!).ShouldBe("2026-06-24");
        (await _h.Http.GetStringAsync("/api/calendar.ics")).ShouldContain("Look again at zinc of fennel leaf");
        kept["next"]!.AsArray().Select(n => (string)n!).ShouldBe(["ready", "seen"]); // nothing is put on by a leaf’s sheet
        kept["log"]!.ToJsonString().ShouldContain("to be looked at again on 24 Jun 2026");
        await _h.Post($"/api/sheets/{id}/steps", new { did = new { step = "ready" } });
        _h.Clock.Advance(TimeSpan.FromDays(15));
        (await _h.Get("/api/today"))["items"]!.ToJsonString().ShouldContain("Look again at zinc of fennel leaf");
        var asked = kept["asked"]!;
        asked["choices"]![0]!["choice"] = "leave";
        asked["choices"]![0]!["back"] = null;
        await _h.Post("/api/sheets", new { id, version = (string)(await _h.Get($"/api/sheets/{id}"))["version"]!, asked });
        (await _h.Get("/api/today"))["items"]!.ToJsonString().ShouldNotContain("Look again at zinc");
        ((string)(await _h.Get($"/api/sheets/{id}"))["asked"]!["choices"]![0]!["back"]!).ShouldBe("2027-06-25");
    }

    [Fact]
    public async Task A_corrected_sheet_still_takes_choices_and_nothing_else()
    {
        await _h.Post("/api/sheets/5/steps", new { did = new { step = "corrected" } });
        var sheet = await _h.Get("/api/sheets/5");
        var asked = sheet["asked"]!;
        asked["choices"] = new JsonArray(new JsonObject { ["of"] = "B", ["choice"] = "nextPlanting" });
        await _h.Post("/api/sheets", new { id = 5, version = (string)sheet["version"]!, asked });
        asked["depth"] = "20 cm";
        (await _h.Refused("/api/sheets", new { id = 5, version = (string)(await _h.Get("/api/sheets/5"))["version"]!, asked }))["asked"]
            .ShouldContain("corrected by this sheet");
    }

    private const string File = "Some lab, Some street\n\nAnalyte;Result;Unit;Low;High\nPhosphorus (Olsen);18;ppm;25;45\nK;< "
        + "5;mg/kg;;\nSand;40;%;;\n";

    [Fact]
    public async Task A_lab_s_columns_are_guessed_matched_and_remembered()
    {
        var file = (await _h.Post("/api/sheets/table", new { text = File }))["value"]!;
        file["rows"]!.AsArray().Select(r => $"{r!["of"]} {r["value"]} {r["method"]}").ShouldBe(["P 18 olsen", "K < 5 "]);
        ((string)file["labBands"]![0]!["high"]!).ShouldBe("45");
        const string Odd = "Stoff,Wert,Einheit\nP,18,ppm\n";
        var odd = (await _h.Post("/api/sheets/table", new { text = Odd, lab = "the far lab" }))["value"]!;
        odd["rows"]!.AsArray().Count.ShouldBe(0); // shown all the same, to be matched
        odd["columns"]![0]!["means"] = "what";
        odd["columns"]![1]!["means"] = "value";
        odd["columns"]![2]!["means"] = "unit";
        await _h.Post("/api/sheets/labs", new { name = "the far lab", columns = odd["columns"] });
        (await _h.Post("/api/sheets/table", new { text = Odd, lab = "the far lab" }))["value"]!["rows"]!.AsArray().Count.ShouldBe(1);
        foreach (var (text, field) in new[] { ("", "text"), (new string('x', 400_001), "text"), ("just words", "text") })
        {
            (await _h.Refused("/api/sheets/table", new { text })).ShouldContainKey(field);
        }

        (await _h.Refused("/api/sheets/table", new { text = Odd, columns = odd["columns"]!.AsArray().Select(_ => odd["columns"]![0]) }))
            .ShouldContainKey("columns");
    }

    [Fact]
    public async Task What_was_put_off_is_asked_for_on_the_day_of_the_next_planting_everywhere_alike()
    {
        var id = await Keep(new {
            name = "ridge soil", @for = "bed", bedId = 5, density = "1.3", crop = "vegetables", method = "mehlich3",
            rows = new[] { Row("K", "60", "ppm") }, choices = new[] { new { of = "K", choice = "nextPlanting" } }
        });
        ((string?)(await _h.Get($"/api/sheets/{id}"))["again"]).ShouldBeNull();
        _h.Clock.Advance(TimeSpan.FromDays(3));
        (await _h.Get("/api/today"))["items"]!.ToJsonString().ShouldNotContain("of ridge soil");
        await _h.Post("/api/look/field", new { bedIds = new[] { 5 }, did = new { deed = "sowed", crop = "spinach" } });
        const string Says = "you put it off to the next planting on 10 Jun 2026: spinach, begun today: now is the time";
        ((string)(await _h.Get($"/api/sheets/{id}"))["again"]!).ShouldBe($"Look again at potassium of ridge soil: {Says}");
        var item = (await _h.Get("/api/today"))["items"]!.AsArray()
            .Single(i => (string)i!["title"]! == "Look again at potassium of ridge soil");
        ((string)item!["detail"]!, (string)item["link"]!).ShouldBe((Says, $"/make/sheet/{id}"));
    }

    [Fact]
    public async Task Bags_are_marked_in_the_holding_s_units()
    {
        (await _h.Get("/api/sheets/sampling"))["places"]!.ToJsonString().ShouldContain("10 to 30 cm");
        await _h.Post("/api/holding/units", new { units = "usCustomary" });
        var plan = await _h.Get("/api/sheets/sampling");
        ((string)plan["deep"]!).ShouldBe("0 to 4 and 4 to 12 in");
        plan["places"]!.ToJsonString().ShouldNotContain(" cm");
        plan["how"]!.ToJsonString().ShouldNotContain("litre");
        var first = (int)(await _h.Post("/api/sheets/sampling", new { places = new[] { new { bedId = 5 } } }))["id"]!;
        var deep = (await _h.Get($"/api/sheets/{first + 1}"))["asked"]!;
        ((string)deep["depthFrom"]!, (string)deep["depth"]!).ShouldBe(("4 in", "12 in"));
        (await _h.Get($"/api/sheets/{first}"))["how"]!.ToJsonString().ShouldContain("a pint of each");
    }

    [Fact]
    public async Task Sheets_are_begun_for_the_bags_of_a_zone()
    {
        var plan = await _h.Get("/api/sheets/sampling");
        var due = plan["places"]!.AsArray().First(p => (string)p!["says"]! == "never sampled" && p["zoneId"] is not null)!;
        due["bags"]!.AsArray().Count.ShouldBe(2);
        plan["how"]!.AsArray().Select(h => (string)h!["name"]!).ShouldBe(["soil", "leaf", "sap", "mix"]);
        var first = (int)(await _h.Post("/api/sheets/sampling", new {
            places = new[] { new { bedId = (int)due["bedId"]!, zoneId =
            (int)due["zoneId"]! } }, lab = "the county lab"
        }))["id"]!;
        var deep = (await _h.Get($"/api/sheets/{first + 1}"))["asked"]!;
        ((string)deep["depthFrom"]!, (string)deep["depth"]!, (int)deep["zoneId"]!).ShouldBe(("10 cm", "30 cm", (int)due["zoneId"]!));
        (await _h.Refused("/api/sheets/sampling", new { places = new[] { new { bedId = 999 } } })).ShouldContainKey("places");
        (await _h.Refused("/api/sheets/sampling", new { })).ShouldContainKey("places");
        (await _h.Refused("/api/sheets", new { asked = new { name = "z", @for = "bed", bedId = 4, zoneId = (int)due["zoneId"]! } }))
            .ShouldContainKey("zoneId");
    }

    [Fact]
    public async Task The_book_and_the_season_know_what_sheets_say_and_cost()
    {
        await Keep(new {
            name = "garlic leaf", @for = "leaf", bedId = 4, lab = "the county lab", cost = "29", rows = new[] { Row("N", "2.1",
            "%") }
        });
        var book = (await _h.Get("/api/book?bed=4")).ToJsonString();
        book.ShouldContain("garlic leaf: the result came: short of nitrogen");
        book.ShouldContain("a sheet of leaf by the county lab, cost 29.00");
        var knots = (await _h.Get("/api/book/thread?of=bed-4"))["knots"]!.ToJsonString();
        knots.ShouldContain("garlic leaf");
        (await _h.Get("/api/book/thread?of=bed-1"))["knots"]!.ToJsonString().ShouldContain("the low corner");
        ((string)(await _h.Get("/api/book/season?year=2026"))["looked"]!).ShouldContain("sheets of a lab for");
    }

    [Fact]
    public async Task Claims_take_in_what_was_found_and_own_cards()
    {
        var claims = (await _h.Get("/api/judge/claims")).AsArray();
        claims.Count.ShouldBeGreaterThanOrEqualTo(24);
        JsonNode Of(JsonArray all, string key) => all.Single(c => (string)c!["card"]!["key"]! == key)!;
        var seaweed = Of(claims, "seaweed-yield")["found"]!.AsArray();
        seaweed.Select(f => (string)f!["of"]!).ShouldBe(["square metre", "trial"], ignoreOrder: true);
        ((string)Of(claims, "grounds-stunt")["sum"]!).ShouldBe("Nothing here yet; neighbours: 1 for it.");
        var asked = new { claim = "Nettle tea keeps greenfly off.", uses = new[] { "spray" }, grade = "contested", words = "nettle" };
        await _h.Post("/api/judge/claims", new { asked });
        var own = (await _h.Get("/api/judge/claims")).AsArray().Last()!;
        ((string)own["card"]!["key"]!, (bool)own["house"]!).ShouldBe(("own-1", false));
        await _h.Post("/api/judge/claims", new { key = "moon", change = (int?)null, asked = asked with { claim = "The moon rules." } });
        var moon = Of((await _h.Get("/api/judge/claims")).AsArray(), "moon");
        ((string)moon["card"]!["claim"]!).ShouldBe("The moon rules.");
        (await _h.Refused("/api/judge/claims", new { key = "moon", change = (int?)null, asked }))["change"].ShouldContain("another window");
        await _h.Post("/api/judge/claims/away", new { key = "moon", change = (int)moon["change"]! });
        ((string)Of((await _h.Get("/api/judge/claims")).AsArray(), "moon")["card"]!["claim"]!).ShouldStartWith("Sowing by the moon");
        var wrong = await _h.Refused("/api/judge/claims", new { asked = new { claim = " ", words = "a" } });
        wrong.Keys.ShouldBe(["claim", "uses", "grade", "words"], ignoreOrder: true);
    }

    [Fact]
    public async Task A_neighbour_s_file_is_laid_in_once()
    {
        await _h.Post("/api/judge/claims", new {
            asked = new {
                claim = "Milk stops mildew.", uses = new[] { "spray" },
                grade = "contested"
            }
        });
        var file = await _h.Http.GetStringAsync("/api/judge/claims/file");
        file.ShouldNotContain("the weir"); // what a neighbour sent is not sent on
        using var there = new TestHolding(demo: true);
        await there.Post("/api/judge/claims/file", new { json = file, from = "the farm over the creek" });
        var claims = (await there.Get("/api/judge/claims")).AsArray();
        claims.Single(c => (string)c!["card"]!["key"]! == "seaweed-yield")!["found"]!.AsArray()
            .Count(f => (string)f!["of"]! == "neighbour").ShouldBe(2);
        ((string)claims.Last()!["card"]!["claim"]!).ShouldBe("Milk stops mildew.");
        foreach (var json in new[] { "", "{}", "[1", """{"form":"mud-pie-claims/1","found":[{"key":"moon"}]}""",
            """{"form":"mud-pie-claims/1","from":"x","found":[]}""", """{"form":"mud-pie-claims/1","cards":[{"key":"x"}]}""" })
        {
            (await there.Refused("/api/judge/claims/file", new { json })).Keys.ShouldAllBe(k => k == "json" || k == "from");
        }
    }

    [Fact]
    public async Task The_whole_holding_goes_out_and_in_with_nothing_lost()
    {
        var first = await _h.Http.GetByteArrayAsync("/api/book/holding.zip");
        var folder = Directory.CreateTempSubdirectory("mudpie-zip").FullName;
        try
        {
            var file = Path.Combine(folder, "back.mudpie");
            HoldingZip.Read(new MemoryStream(first), file).ShouldBeNull();
            using var again = new MemoryStream();
            HoldingZip.Write(file, again, _h.Now);
            var (a, b) = (Entries(first), Entries(again.ToArray()));
            a.Keys.ShouldBe(b.Keys);
            a.Where(e => !e.Value.SequenceEqual(b[e.Key])).Select(e => e.Key).ShouldBeEmpty();
            a.Keys.Count(k => k.StartsWith("files/PegPhotos", StringComparison.Ordinal) || k.StartsWith("files/Photos",
                StringComparison.Ordinal)).ShouldBeGreaterThan(0);
            HoldingZip.Read(new MemoryStream(first), file)!.ShouldContain("is there already");
            // what is wrong is named, and leaves no file
            foreach (var (name, text, says) in new[] { ("tables/Beds.csv", "Id\n1\n", "line 1: its columns"), ("datapackage.json", "{}",
                "form") })
            {
                var other = Path.Combine(folder, "other.mudpie");
                HoldingZip.Read(new MemoryStream(With(first, name, text)), other)!.ShouldContain(says);
                Directory.GetFiles(folder, "other*").ShouldBeEmpty();
            }
        }
        finally
        {
            Directory.Delete(folder, true);
        }
    }

    private static SortedDictionary<string, byte[]> Entries(byte[] zip)
    {
        using var read = new ZipArchive(new MemoryStream(zip));
        return new(read.Entries.ToDictionary(e => e.FullName, e =>
        {
            using var from = e.Open();
            using var to = new MemoryStream();
            from.CopyTo(to);
            return to.ToArray();
        }), StringComparer.Ordinal);
    }

    private static byte[] With(byte[] zip, string name, string text)
    {
        using var all = new MemoryStream();
        all.Write(zip);
        using (var change = new ZipArchive(all, ZipArchiveMode.Update, leaveOpen: true))
        {
            change.GetEntry(name)!.Delete();
            using var to = new StreamWriter(change.CreateEntry(name).Open());
            to.Write(text);
        }

        return all.ToArray();
    }
}
