using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;

namespace MudPie.Browser.Tests;

/// <summary>Begun at the bucket, again every week, written its own way; the year, the trial and the season taken hold of.</summary>
public class OwnWayJourneys
{
    [Fact]
    public void A_bag_dunked_in_a_bucket_is_begun_now_with_six_answers_and_comes_again()
    {
        using var page = new Page(demo: false);
        page.Go("/");
        page.See("What will you make first?");
        for (var i = 0; i < 5; i++)
        {
            page.See($"{i + 1} of 6");
            page.Click("Next");
        }

        page.See("The sun is off until you say where");
        page.Fail("/api/holding/setup", "broken");
        page.Click("Start now");
        page.See("Something broke in Mud Pie.");
        page.LetGo();
        page.Click("Start now");
        page.See("Begun now it can go out at");
        page.See("The sun is off: see to it that there is light enough");
        page.Click("Begin it now");
        page.See("each reading moves it to the window it can meet");
        page.Unfold("Brew it again");
        page.Click("every week");
        page.See("Again every week on First bed");
        page.See("Nothing begins by itself.");
        page.Click("No more of it");
        page.Press("//a[.='Brew it again']");
        page.See("//h1", "Brew it again");
        page.See("Backwards from there");
        page.Click("Keep this plan");
        page.See("Source in: start it");
    }

    [Fact]
    public void The_globe_is_touched_and_turned_by_keys_and_the_sun_comes_on()
    {
        using var page = new Page(demo: true);
        page.Go("/ground?say=place");
        page.See("Name and place");
        page.Holds("Latitude, longitude", "52.5, 0");
        const string Globe = "//*[@role='slider'][@aria-label='Where it lies, on the globe']";
        page.Type(Globe, Keys.ArrowDown);
        page.Holds("Latitude, longitude", "51.5, 0");
        new Actions(page.Driver).MoveToElement(page.Find(Globe)).Click().Perform();
        page.Until(() => page.Find(Globe).GetDomAttribute("aria-valuetext")!.Contains("° N", StringComparison.Ordinal), "a place");
        page.Field("Latitude, longitude").SendKeys(Keys.Control + "a" + Keys.Delete);
        page.Holds("Latitude, longitude", "");
        page.Click("It lies there");
        page.See("the sun is off: place not said");
        page.Go("/put-out/windows");
        page.See("The sun is off: hours are judged by wind, rain and warmth alone.");
        page.Click("Say where your ground lies");
        page.Fill("Latitude, longitude", "52.5 N 0 E");
        page.Click("It lies there");
        page.SeeNot("the sun is off: place not said");
    }

    [Fact]
    public void The_holding_writes_months_first_hours_to_twelve_and_money_by_its_word()
    {
        using var page = new Page(demo: true);
        page.Go("/ground");
        page.Click("change the holding");
        page.Click("Jun 10 2026");
        page.Click("7:30 pm");
        page.Fill("Money is called", "crowns 3");
        page.Click("Write it so");
        page.See("can’t stand beside a figure");
        page.Fill("Money is called", "crowns");
        page.Click("Write it so");
        page.See("Jun 10, 7:30 pm, crowns");
        page.Go("/brew/14");
        page.Until(() => System.Text.RegularExpressions.Regex.IsMatch(page.Text, "begun (Tue|Wed)? ?[A-Za-z0-9 ]*[0-9]:[0-9]{2} [ap]m"),
            "hours to twelve");
        page.Go("/brew/plan");
        page.Until(() => page.Field("To put out at").GetDomProperty("value")!.EndsWith(":00 pm", StringComparison.Ordinal),
            "a field to twelve");
        page.Fill("To put out at", "6/");
        page.See("Write it as Jun 10 2026, 7:30 am.");
        page.Fill("To put out at", "6/12 7 pm");
        page.See("= Fri Jun 12 2026, 7:00 pm");
        page.Go("/shelf?input=1");
        page.See("crowns a litre");
    }

    [Fact]
    public void The_year_opens_at_a_day_by_a_key_and_the_shelf_is_found_by_a_word()
    {
        using var page = new Page(demo: true);
        page.Go("/book");
        const string Mark = "//*[@data-mark]";
        page.Find(Mark);
        page.Type($"({Mark})[1]", Keys.ArrowDown);
        page.Until(() => (string)page.Driver.ExecuteScript("return document.activeElement.getAttribute('aria-label') ?? ''")! is
            { Length: > 0 } says && !says.StartsWith(page.Find($"({Mark})[1]").GetDomAttribute("aria-label")!, StringComparison.Ordinal),
            "the next line's mark");
        page.Key(Keys.Enter);
        page.See("Up to ");
        page.Click("up to now");
        page.SeeNot("up to now");
        page.Go("/shelf");
        page.Fill("Find on the shelf", "kelp");
        page.See("kelp liquid");
        page.SeeNot("molasses");
        page.Fill("Find on the shelf", "unicorn");
        page.See("Nothing on it is like that.");
        page.Field("Find on the shelf").SendKeys(Keys.Control + "a" + Keys.Delete);
        page.Click("going off or short");
        page.See("fish hydrolysate");
        page.SeeNot("oat flour");
    }

    private const string Plots = "//section[@aria-label='How it lies']//figure/*[name()='svg']//*[name()='rect'][@rx='8']";

    [Fact]
    public void A_trial_is_drawn_from_its_first_treatment_and_crossed_as_a_grid()
    {
        using var page = new Page(demo: true);
        page.Go("/judge/new");
        page.Count(Plots, 15);
        page.Click("one more of each");
        page.Count(Plots, 18);
        page.Click("things crossed");
        page.Unfold("2 · What is compared");
        page.Fill("Factor 1", "tea");
        page.Press("(//label[starts-with(normalize-space(.), 'Its levels')])[1]");
        page.Until(() =>
        {
            var fields = page.Driver.FindElements(By.XPath("//input[@id=//label[starts-with(normalize-space(.), 'Its levels')]/@for]"));
            fields[0].SendKeys(Keys.Control + "a");
            fields[0].SendKeys("none, tea");
            fields[1].SendKeys(Keys.Control + "a");
            fields[1].SendKeys("no char, char");
            return fields[1].GetDomProperty("value") == "no char, char";
        }, "levels to be typed");
        page.Count("//section[@aria-label='How it lies']//table//td/*[name()='svg']", 4);
        page.Count(Plots, 24);
        page.Fail("/api/judge/trials/lay", "broken");
        page.Click("one fewer of each");
        page.See("Something broke in Mud Pie.");
        page.Count(Plots, 24); // it stays
    }

    [Fact]
    public void A_stage_is_taken_hold_of_and_put_back()
    {
        using var page = new Page(demo: true);
        page.Go("/put-out/season");
        page.See("is wasted");
        const string Peg = "(//*[@data-stage])[1]";
        var before = page.Find(Peg).GetDomAttribute("aria-valuetext")!;
        page.Type(Peg, Keys.ArrowRight);
        page.See("begins elsewhere now");
        page.Until(() => page.Find(Peg).GetDomAttribute("aria-valuetext") != before, "the stage on another day");
        page.Click("Put it back");
        page.Until(() => page.Find(Peg).GetDomAttribute("aria-valuetext") == before, "the stage where it was");
        new Actions(page.Driver).ClickAndHold(page.Find(Peg)).MoveByOffset(20, 0).MoveByOffset(30, 0).Release().Perform();
        page.Until(() => page.Find(Peg).GetDomAttribute("aria-valuetext") != before, "the stage dragged");
    }

    [Theory]
    [InlineData(1280, 800)]
    [InlineData(390, 844)]
    public void No_screen_is_taller_than_three_screens_but_the_book(int width, int height)
    {
        using var page = new Page(demo: true, width, height);
        foreach (var path in new[]
        {
            "/", "/brew", "/make", "/look?bed=5", "/look/checks", "/look/leaves", "/look/leaves/6", "/brew/plan", "/brew/14", "/brew/15",
            "/brew/14/card", "/brew/ask?batch=14", "/brew/water", "/put-out", "/put-out/14", "/put-out/tank", "/put-out/dose", "/shelf",
            "/ground", "/judge", "/judge/new?template=seaweed", "/judge/trials/1", "/judge/trials/2/sheet",
        })
        {
            page.Go(path);
            page.Find("//main//h1");
            page.Until(() => page.Driver.ExecuteScript(
                "return !(window.asked > 0) && !document.querySelector('[aria-busy=true]')") is true, $"all of {path}");
            var tall = (long)page.Driver.ExecuteScript("return document.documentElement.scrollHeight")!;
            ((double)tall / height).ShouldBeLessThan(3.05, path);
            ((long)page.Driver.ExecuteScript("return document.documentElement.scrollWidth")!).ShouldBeLessThanOrEqualTo(width, path);
        }
    }
}
