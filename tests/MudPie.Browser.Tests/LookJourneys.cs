using System.Net.Http.Json;
using System.Text.Json;
using Microsoft.Extensions.DependencyInjection;
using MudPie.Records;
using OpenQA.Selenium;

namespace MudPie.Browser.Tests;

/// <summary>The grower with a spade: a walk on the phone, a peg's page, what grew where.</summary>
public class LookJourneys
{
    private static void Worms(Page page, int count)
    {
        page.Press("//section[@aria-label='Worms']/button");
        page.Type("//button[starts-with(@aria-label, 'block 1: one more worm')]", string.Concat(Enumerable.Repeat(Keys.Enter, count)));
        page.Press("//form[@aria-label='Worms']//button[.='Keep it']");
    }

    [Fact]
    public void A_walk_of_eight_pegs_is_walked_without_a_signal_and_sent_once()
    {
        using var page = new Page(demo: true, 390, 844, worker: true);
        using var http = new HttpClient { BaseAddress = page.Address };
        for (var i = 6; i <= 8; i++)
        {
            Post(http, "/api/look/pegs", new { name = $"peg {i}", bedId = i });
        }

        Post(http, "/api/look/walks", new {
            name = "worms all round", plan = new {
                kinds = new[] { "worms" }, pegs = Enumerable.Range(1, 8),
                months = Array.Empty<int>(), photo = true
            }
        });
        var photo = Path.Combine(Page.Root(), "docs", "screenshots", "yard.png");
        page.Go("/look/walk/2");
        page.See("peg 1 of 8");
        page.Until(() => page.Driver.ExecuteScript("return !!navigator.serviceWorker.controller") is true, "the worker to mind the page");
        page.Again();
        page.Until(() => Kept(page, "mud-pie-field").Contains("/api/look/walk", StringComparison.Ordinal)
            && Kept(page, "mud-pie-pictures").Contains("/small", StringComparison.Ordinal), "what a walk needs to be on the device");
        page.Click("moist");
        page.Fill("Who looks", "field hand");
        page.See("peg 1 of 8");
        Worms(page, 3);
        page.See("last time, 9 Apr 2026: 34 worms"); // only now that this time's is there
        page.Fail("/api/look/", "gone");
        for (var i = 2; i <= 8; i++)
        {
            page.Click("Next peg");
            page.See($"peg {i} of 8");
            Worms(page, i);
            page.See("//section[@aria-label='Worms']", "waits to be sent");
            page.Unfold("A picture from here");
            page.Bring(photo);
            page.See("kept on this device");
        }

        page.See("No signal: 14 kept on this phone");
        page.LetGo(); // and it is gone again in the middle
        page.Driver.ExecuteScript("window.dispatchEvent(new Event('online'))");
        page.Until(() => Checks(page) > 2, "some to be sent");
        page.Fail("/api/look/", "gone");
        page.Until(() => page.Text.Contains("kept on this phone", StringComparison.Ordinal) || Checks(page) == 8, "the signal to be gone");
        page.LetGo();
        page.Driver.ExecuteScript("window.dispatchEvent(new Event('online'))");
        page.Until(() => Checks(page) == 8 && Photos(page) == 7, "all to be sent");
        page.Driver.ExecuteScript("window.dispatchEvent(new Event('online'))");
        page.Rest();
        (Checks(page), Photos(page)).ShouldBe((8, 7), "each once");
    }

    /// <summary>What the worker keeps on the device.</summary>
    private static string Kept(Page page, string cache) => (string)page.Driver.ExecuteAsyncScript(
        "const done = arguments[1]; caches.open(arguments[0]).then((c) => c.keys()).then((k) => done(k.map((r) => r.url).join(' ')))",
        cache)!;

    private static void Post(HttpClient http, string path, object body)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, path) { Content = JsonContent.Create(body) };
        request.Headers.Add("Idempotency-Key", Guid.NewGuid().ToString());
        using var reply = http.Send(request);
        reply.EnsureSuccessStatusCode();
    }

    private static T Of<T>(Page page, Func<HoldingDb, T> read)
    {
        using var scope = page.Services.CreateScope();
        return read(scope.ServiceProvider.GetRequiredService<HoldingDb>());
    }

    private static int Checks(Page page) => Of(page, db => db.GroundChecks.Count(c => c.Who == "field hand"
        && c.At > Page.Begins.AddDays(-1)));

    private static int Photos(Page page) => Of(page, db => db.PegPhotos.Count(p => p.At > Page.Begins.AddDays(-1)));

    [Fact]
    public void A_peg_is_set_on_the_plan_dug_and_rodded_and_its_page_draws_what_was_found()
    {
        using var page = new Page(demo: true);
        page.Go("/look/pegs/new");
        page.Type("//*[@role='button'][starts-with(@aria-label, 'Hop Yard')]", Keys.Enter);
        page.Fill("What you call it", "by the gate");
        page.Click("Set it");
        page.See("Nothing was looked at here yet");
        page.Go("/look/walk/new");
        page.Fill("What you call it", "rod and spade");
        foreach (var other in new[] { "Worms", "Crumbs in water", "Roots" })
        {
            page.Press($"//*[@role='checkbox'][@aria-label='{other}']");
        }

        page.Press("//*[@role='checkbox'][@aria-label='Rod with a gauge']");
        page.Click("Keep this walk");
        page.See("peg 1 of 6");
        page.Press("//button[contains(@aria-label, 'Hop Yard, by the gate')]");
        page.Click("moist");
        page.Press("//section[@aria-label='Spade block']/button");
        page.Click("2 intact");
        page.Click("Cut it in two");
        page.Click("5 very compact");
        page.Type("//*[@role='slider'][@aria-label='Layer 1 ends at']", Keys.ArrowDown);
        page.Fill("Colour", "plates");
        page.See("structure ");
        page.Press("//form[@aria-label='Spade block']//button[.='Keep it']");
        page.Press("//section[@aria-label='Rod with a gauge']/button");
        page.Type("//*[@role='slider'][@aria-label='15 cm deep']", string.Concat(Enumerable.Repeat(Keys.PageUp, 5)));
        page.See("2.5 MPa at 15 cm: roots stop");
        page.Click("Next push");
        page.Type("//*[@role='slider'][@aria-label='15 cm deep']", Keys.PageUp);
        page.Press("//form[@aria-label='Rod with a gauge']//button[.='Keep it']");
        page.See("//section[@aria-label='Rod with a gauge']", "at 15 cm");
        page.Click("its page");
        page.See("2 pushes here");
        page.See("as dug on");
        page.See("not known: structure and worms only; 1 kind more");
        page.Unfold("All that was found here");
        page.Press("//li[starts-with(@aria-label, 'Spade block')]//button[.='put it right']");
        page.Click("4 compact");
        page.Click("Keep it as put right");
        page.See("It is not said what was wrong");
        page.Fill("What was wrong", "a slip of the thumb");
        page.Click("Keep it as put right");
        page.See("put right: a slip of the thumb");
    }

    [Fact]
    public void Oats_are_sowed_rain_is_noted_and_the_bed_says_what_stands_there()
    {
        using var page = new Page(demo: true);
        page.Go("/look/plantings?bed=1");
        page.Click("sowed");
        page.Fill("Crop", "winter rye");
        page.Click("Write it down");
        page.See("written down");
        page.See("//section[h2[starts-with(., 'Plantings of')]]", "winter rye");
        page.Click("Note it");
        page.Fill("Say it in a few words", "rain 12");
        page.See("Rain, 12 mm on all the ground.");
        page.Click("Record it");
        page.Click("Close");
        page.Go("/look/plantings?bed=1");
        page.See("rain, 12 mm");
        page.Go("/look?bed=1");
        page.See("winter rye");
        page.Go("/look/plantings?bed=1");
        page.Press("//a[contains(., 'oats and vetch')]");
        page.See("What hangs on it");
        page.See("It has ended");
    }

    [Fact]
    public void A_goal_that_is_behind_says_what_follows_and_another_is_set_from_an_old_notebook()
    {
        using var page = new Page(demo: true);
        page.Go("/look/goals");
        page.Press("//button[contains(., '▲ behind')]");
        page.See("If it stays so:");
        page.Click("Another goal");
        page.Fill("What you call it", "more worms");
        page.Fill("Measured by", "a check of the ground");
        page.Fill("Where", "Hop Yard");
        page.Fill("It was", "4");
        page.Fill("On", "10 Jan 2025");
        page.Fill("It is to be", "4");
        page.Fill("By", "1 Mar 2027");
        page.Click("Set this goal");
        page.See("Nothing is to change between baseline and target.");
        page.Fill("It is to be", "12");
        page.Fill("Where the first figure is from", "the notebook of 2024");
        page.Click("Set this goal");
        page.See("the notebook of 2024");
        page.Click("hang something from it");
        page.Press("(//*[@aria-label='What may be hung from it']//*[@role='checkbox'])[1]");
        page.See("1 thing done for it");
    }

    [Fact]
    public void Every_instrument_that_is_left_reads_and_keeps_what_was_tapped()
    {
        using var page = new Page(demo: true, 390, 844);
        using var http = new HttpClient { BaseAddress = page.Address };
        string[] kinds = ["plainRod", "moisture", "infiltration", "roots", "nodules", "leaf", "weeds", "cotton", "co2", "crumbs"];
        Post(http, "/api/look/walks", new { name = "all the rest", plan = new { kinds, pegs = new[] { 5 }, photo = true } });
        page.Go("/look/walk/2");
        page.Click("moist");
        Tapped(page, "Plain rod", "4 of 5 at 10 cm", "//*[@role='radiogroup'][@aria-label='20 cm']//*[@aria-label='4, hard']");
        Tapped(page, "Moisture", "mm in 20 cm", "//*[@role='radiogroup'][@aria-label='20 cm']//*[@aria-label='3, firm ball']");
        Tapped(page, "Roots", "1 of 12 turn aside", "//*[@role='checkbox'][@aria-label='plant 3 turns aside']");
        Tapped(page, "Nodules", "1 of 2 cut are pink", "//button[.='20 more']", "//button[.='Cut: pink']",
            "//button[.='Cut: white or green']");
        Tapped(page, "Leaf colour and stand", "colour 4 of 6", "//*[@role='radio'][@aria-label='4']");
        Tapped(page, "Cotton strip", "laid in", "//*[@role='radio'][contains(., 'it is laid in')]");
        Tapped(page, "Crumbs in water", "0 of 1 crumbs hold in water", "//button[.='They are in the water']",
            "//*[@role='button'][starts-with(@aria-label, 'crumb 1')]");
        page.Press("//section[@aria-label='Water going in']/button");
        page.Click("Pour the first");
        page.Click("It has gone in");
        page.Fill("Second, seconds", "120");
        Keep(page, "Water going in", "750 mm/h");
        page.Press("//section[@aria-label='Weeds']/button");
        page.Fill("A kind of weed", "dock");
        page.Click("Count it");
        page.Press("//button[starts-with(@aria-label, 'frame 1: one more dock')]");
        Keep(page, "Weeds", "most of it dock");
        page.Press("//section[@aria-label='CO₂ burst']/button");
        page.Fill("mg of CO₂-C", "48");
        Keep(page, "CO₂ burst", "48 mg/kg");
        var before = Photos(page);
        page.Unfold("A picture from here");
        page.Click("Open the camera");
        page.See("frame it the same");
        page.Until(() => page.Driver.ExecuteScript("return document.querySelector('video')?.videoWidth > 0") is true, "the camera to see");
        page.Click("Take it");
        page.Until(() => Photos(page) == before + 1, "the picture");
    }

    private static void Tapped(Page page, string name, string says, params string[] taps)
    {
        page.Press($"//section[@aria-label='{name}']/button");
        foreach (var tap in taps)
        {
            page.Press($"//form[@aria-label='{name}']{tap}");
        }

        Keep(page, name, says);
    }

    /// <summary>What it says as it is tapped, and that it was kept.</summary>
    private static void Keep(Page page, string name, string says)
    {
        page.See($"//form[@aria-label='{name}']", says);
        page.Press($"//form[@aria-label='{name}']//button[.='Keep it']");
        page.Count($"//form[@aria-label='{name}']", 0);
        page.See($"//section[@aria-label='{name}']", "✓");
    }

    [Fact]
    public void A_zone_is_drawn_by_its_corners_and_a_yield_map_makes_two()
    {
        using var page = new Page(demo: true);
        page.Go("/look/zones");
        foreach (var (x, y) in new[] { (-150, -40), (-20, -40), (-80, 60) })
        {
            new OpenQA.Selenium.Interactions.Actions(page.Driver)
                .MoveToElement(page.Find("//*[local-name()='svg'][starts-with(@aria-label, 'The ground')]"), x, y).Click().Perform();
        }

        page.See("3 corners");
        page.Fill("What you call the zone", "by the sluice");
        page.Fill("It feels like", "clay");
        page.Click("Keep this zone");
        page.See("//section[@aria-label='Slate']", "by the sluice");
        var map = Path.Combine(Directory.CreateTempSubdirectory("mudpie-yield-").FullName, "yield.geojson");
        File.WriteAllText(map, JsonSerializer.Serialize(new {
            type = "FeatureCollection", features = Enumerable.Range(0, 24)
                .Select(i => new {
                    type = "Feature", properties = new { t = i + 1 },
                    geometry = new { type = "Point", coordinates = new[] { 0.0001 + (i % 6 * 0.0003), 52.5001 + (i / 6 * 0.0002) } }
                })
        }));
        page.Bring(map);
        page.See("50 % of the map");
        page.Click("Keep these zones");
        page.See("2 zones kept, a peg in each.");
        page.Go("/look/walk");
        page.See("Creek Field, poor peg");
        Directory.Delete(Path.GetDirectoryName(map)!, true);
    }

    [Fact]
    public void A_lab_s_file_is_matched_by_its_columns_and_a_leaf_s_shortfall_comes_back()
    {
        using var page = new Page(demo: true);
        var file = Path.Combine(Path.GetTempPath(), $"lab-{Guid.NewGuid():N}.csv");
        File.WriteAllText(file, "Stoff,Wert,Einheit\nN,2.1,%\nZn,34,ppm\nSand,4,%\n");
        try
        {
            page.Go("/look/sheets");
            page.See("Creek Field");
            page.Press("//a[contains(., 'leaf of Creek Field')]");
            page.See("Type or paste the sheet.");
            page.Bring(file);
            page.See("Nothing of it is understood yet");
            page.Fill("Whose file is it?", "the far lab");
            Choose(page, "“Stoff” is", "what");
            Choose(page, "“Wert” is", "value");
            Choose(page, "“Einheit” is", "unit");
            page.See("2 lines would be taken");
            page.Click("Take these lines");
            page.See("Nitrogen is short in the leaf: choose what to do.");
            page.Click("next planting");
            page.Click("Keep the sheet");
            page.See("you put it off to the next planting, to be looked at again on 10 Jun 2027");
            page.Click("Soil, leaf and sap together");
            page.See("Creek Field: soil, leaf and sap");
            page.Go("/make/sheet/new?bed=5&of=leaf"); // the lab's columns are known now
            page.See("Type or paste the sheet.");
            page.Bring(file);
            page.Fill("Whose file is it?", "the far lab");
            page.See("2 lines would be taken");
        }
        finally
        {
            File.Delete(file);
        }
    }

    [Fact]
    public void A_claim_opens_to_what_was_found_and_an_own_one_is_written()
    {
        using var page = new Page(demo: true);
        page.Go("/judge/claims");
        page.See("Seaweed lifts yield.");
        page.Press("//button[contains(., 'Seaweed lifts yield.')]");
        page.See("Here 1 for it and 1 can’t tell.");
        page.Click("Write a claim down");
        page.Click("Keep the card");
        page.See("Put the claim in one sentence.");
        page.Fill("The claim, in one sentence", "Nettle water keeps greenfly off.");
        page.Click("sprayed");
        page.Click("Keep the card");
        page.See("contested · your own card");
        page.Press("//button[contains(., 'Seaweed lifts yield.')]");
        page.Click("Plan that trial");
        page.See("Do seaweed and a mycorrhizal granule lift dahlias");
    }

    private static void Choose(Page page, string label, string value) => page.Until(() => page.Driver.ExecuteScript("""
        const select = [...document.querySelectorAll("label")].find((l) => l.innerText.startsWith(arguments[0]))?.querySelector("select");
        if (!select) return false;
        Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, "value").set.call(select, arguments[1]);
        select.dispatchEvent(new Event("change", { bubbles: true }));
        return true;
        """, label, value) is true, label);
}
