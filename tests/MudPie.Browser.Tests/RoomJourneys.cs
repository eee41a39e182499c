using OpenQA.Selenium;

namespace MudPie.Browser.Tests;

/// <summary>Six rooms with a full bench each: the yard's doors, the ground to scale, and what is said where the server fails in the
/// middle.</summary>
public class RoomJourneys
{
    [Fact]
    public void A_room_that_cannot_be_read_says_so_and_is_there_again_when_it_can()
    {
        using var page = new Page(demo: true);
        page.Go("/");
        page.See("Wants hands");
        page.Fail("/api/shelf", "broken");
        page.Key("6");
        page.See("The shelf could not be read.");
        page.See("Something broke in Mud Pie.");
        page.See("Nothing that you kept is lost.");
        page.Axe().ShouldBeEmpty("a room that failed");
        page.LetGo();
        page.Click("Try again");
        page.See("To buy or make, two weeks");

        page.Fail("/api/make/yard", "gone");
        page.Key("3");
        page.See("The yard could not be read.");
        page.Key("1"); // another room is not held up by it
        page.See("Wants hands");
        page.LetGo();
        page.Key("3");
        page.See("as it stands now");
    }

    [Fact]
    public void What_is_slow_shows_the_shape_of_what_comes_and_no_half_sentence()
    {
        using var page = new Page(demo: true);
        page.Go("/");
        page.See("Wants hands");
        page.Fail("/api/judge/templates", "slow");
        page.Key("5");
        page.Until(() => page.Driver.FindElements(By.CssSelector("[aria-label='One moment']")).Any(e => e.Displayed), "the shape of it");
        page.Text.ShouldNotContain("Wants hands");
        page.LetGo();
        page.See("Claims that come ready to test");
        page.Driver.FindElements(By.CssSelector("[aria-label='One moment']")).ShouldBeEmpty();
    }

    [Fact]
    public void What_stands_on_the_page_stays_when_the_server_goes_and_says_since_when()
    {
        using var page = new Page(demo: true);
        page.Go("/shelf");
        page.See("To buy or make, two weeks");
        page.Fail("/api/", "gone");
        page.Driver.ExecuteScript("window.dispatchEvent(new Event('focus')); document.dispatchEvent(new Event('visibilitychange'))");
        page.Click("Note it");
        page.Fill("Say it in a few words", "note a hare in ridge bed 4");
        page.See("No signal: it is kept on this device as you said it");
        page.Click("Record it");
        page.See("Kept on this device; sent when Mud Pie answers.");
        page.Click("Close");
        page.See("1 entry waits on this device.");
        page.See("To buy or make, two weeks");
        page.LetGo();
        page.Click("try again");
        page.SeeNot("waits on this device");
        page.Go("/book?kind=seen");
        page.See("a hare in ridge bed 4");
    }

    [Fact]
    public void A_photo_taken_while_nobody_answers_waits_whole_and_comes_with_its_hour()
    {
        var picture = Path.Combine(Directory.CreateTempSubdirectory("mudpie-photo-").FullName, "foam.png");
        File.WriteAllBytes(picture, Convert.FromBase64String(
            "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=="));
        using var page = new Page(demo: true, 390, 844);
        page.Go("/brew/14");
        page.Click("photo or logger file");
        page.Fail("/api/", "gone");
        page.Bring(picture);
        page.See("Photo kept on this device; sent when Mud Pie answers.");
        page.See("1 entry waits on this device.");
        page.LetGo();
        page.Go("/brew/14"); // the page is opened anew: what waits is still whole
        page.SeeNot("waits on this device");
        page.Press("//button[@aria-controls='slate'][@aria-expanded='false']");
        page.See("//*[@aria-label='Log']", "photo");
    }

    [Fact]
    public void Each_thing_in_the_yard_is_a_door()
    {
        using var page = new Page(demo: true);
        page.Go("/make");
        page.See("as it stands now");
        page.Press("//main//a[contains(., 'the Barrel')]");
        page.See("What would hold it above six");
        page.Go("/make");
        page.Press("//main//a[contains(., 'the Cone')]");
        page.See("At once, while it is wet");
        page.Go("/make");
        page.Press("//main//a[contains(., 'Mains')]");
        page.See("Water comes first");
    }

    [Fact]
    public void Beds_are_chosen_on_the_ground_by_key_by_hand_and_from_the_list_and_the_race_runs_to_them()
    {
        using var page = new Page(demo: true);
        page.Go("/put-out");
        page.See("180 L to 4 beds");
        page.See("Who wins, the clock or the oxygen?");
        page.See("If it were otherwise");
        const string Hop = "//*[@role='checkbox'][starts-with(@aria-label, 'Hop Yard')]";
        page.Type(Hop, " ");
        page.Until(() => page.Find(Hop).GetDomAttribute("aria-checked") == "true", "the bed chosen by a key");
        page.See("180 L to 5 beds");
        page.Press(Hop);
        page.See("180 L to 4 beds");
        page.Click("as a list");
        page.Press("//label[starts-with(normalize-space(.), 'Glass Lean-to')]");
        page.See("180 L to 5 beds");
        page.Click("Fill the tank");
        page.See("Put out the Barrel");
        page.Until(() => page.Find("//*[@role='checkbox'][starts-with(@aria-label, 'Glass Lean-to')]").GetDomAttribute("aria-checked")
            == "true", "the beds that were chosen");
    }

    [Fact]
    public void All_six_rooms_are_in_reach_of_a_thumb_on_a_narrow_phone()
    {
        using var page = new Page(demo: true, 360, 740);
        foreach (var (path, sign) in new[]
        {
            ("/", "Wants hands"), ("/look", "hatched: waits"), ("/make", "as it stands now"), ("/put-out", "180 L to"),
            ("/put-out/windows", "A bar: it can go out"), ("/judge", "Does tea lift garlic"), ("/shelf", "Compost and castings"),
        })
        {
            page.Go(path);
            page.See(sign);
            page.Driver.ExecuteScript("return document.documentElement.scrollWidth").ShouldBe(360L, path);
            var reached = (bool)page.Driver.ExecuteScript("""
                const links = [...document.querySelectorAll('nav[aria-label="Rooms on the phone"] a')];
                return links.length === 6 && links.every(a => {
                  const r = a.getBoundingClientRect();
                  return r.left >= 0 && r.right <= 360 && r.height >= 44 && a.scrollWidth <= a.clientWidth + 1;
                });
                """)!;
            reached.ShouldBeTrue(path);
        }
    }
}
