using Microsoft.Extensions.DependencyInjection;
using MudPie.Records;
using OpenQA.Selenium;
using OpenQA.Selenium.Chromium;

namespace MudPie.Browser.Tests;

/// <summary>Whole journeys through the real interface in headless Chromium.</summary>
public class JourneyTests
{
    [Theory]
    [InlineData(1280, 800)]
    [InlineData(390, 844)]
    public void From_nothing_to_a_sentence_about_the_leaves(int width, int height)
    {
        using var page = new Page(demo: false, width, height);
        var phone = width < 600;
        void Slate(string open)
        {
            if (phone)
            {
                page.Press("//button[@aria-controls='slate'][@aria-expanded='" + (open == "up" ? "false" : "true") + "']");
            }
        }

        page.Go("/");
        page.See("What will you make first?");
        page.Click("a brew on an air pump");
        page.Click("for a day to come");
        for (var i = 0; i < 7; i++)
        {
            page.See($"{i + 1} of 8");
            page.Click("Next");
        }

        page.See("The sun is off until you say where");
        page.Fill("Latitude, longitude", "52.5, 0.0");
        page.See("the sun stands 38° high there");
        page.Click("Plan a first brew");
        page.See("First bed");
        Slate("up");
        page.See("Backwards from there");
        page.Click("Keep this plan");
        page.See("Source in: start it");
        Slate("up");
        Slate("down");
        page.Fill("Strip, mg/L", "0.5");
        page.Click("Start now");
        page.See("not zero");
        page.Holds("Strip, mg/L", "0.5");
        page.Fill("Strip, mg/L", "0");
        page.Click("Start now");

        ReadOxygen(page);
        Slate("up");
        page.Click("Air off now");
        page.See("Use it before");
        page.Click("Put it out");
        page.See("Unseen"); // one reading in the first hour is no look
        page.See("1 part tea + 5 parts water (1 in 6)");
        Slate("up");
        page.See("What each bed gets");
        page.TickAll();

        page.Click("It is out");
        page.See("It is in the book");
        page.Click("Read the leaves");
        page.See("Sprays of the last");
        Slate("up");
        page.Fill("Brix, one after another", "8.6 8.9 8.4");
        page.Fill("Its temperature", "24");
        page.See("at 20 °C: 8.88");
        page.Click("Keep these readings");
        page.See("Kept");
        Slate("down");
        page.See("no reading before it");
    }

    private static void ReadOxygen(Page page)
    {
        page.See("Read it");
        page.Fill("oxygen, mg/L", "99");
        page.Click("Keep it");
        page.See("too much");
        page.Holds("oxygen, mg/L", "99");
        page.Fill("oxygen, mg/L", "8.7");
        page.Click("Keep it");
        page.See("Kept at");
        page.Until(() =>
            page.Driver.FindElements(
                By.XPath("//table[caption='Oxygen in mg/L by the hour']//tr[td[contains(., ', read')]]/td[.='8.7']")).Count == 1,
                "the reading on the forecast");
    }

    [Fact]
    public void A_reading_moves_the_forecast_of_the_live_brew()
    {
        using var page = new Page(demo: true);
        page.Go("/");
        page.See("The Barrel is sliding toward 6");
        page.Click("See what holds it");
        page.See("What would hold it above six");
        string Curve() => page.Find("//main//*[name()='svg']/*[name()='path'][contains(@class,'stroke-river')][@stroke-width='3.5']")
            .GetAttribute("d")!;
        var before = Curve();
        page.Fill("oxygen, mg/L", "7.6");
        page.Click("Keep it");
        page.See("Kept at");
        page.Until(() => Curve() != before, "the forecast to move");

        page.Click("= show the sum");
        page.See("members drawn again and moved");
        page.Driver.FindElement(By.TagName("body")).SendKeys(Keys.Escape);
        page.Fill("oxygen, mg/L", "3.9");
        page.Click("Keep it");
        page.See("Heap it: oxygen was 3.9");
        page.Click("Put it out");
        page.See("This brew failed");
    }

    [Fact]
    public void What_is_dragged_or_chosen_is_followed_by_the_whole_plan()
    {
        using var page = new Page(demo: true);
        page.Go("/brew/plan");
        page.See("Backwards from there");
        page.Click("Creek Field");
        page.Click("Ridge Bed 4");
        page.Click("Ridge Bed 5");
        page.Until(() => page.Driver.FindElements(By.XPath("//*[@role='slider'][@aria-label='warmth of the brew, degrees']")).Count == 1,
            "the sliders");
        var schedule = () => page.Says("//section[@aria-label='Schedule']");
        var before = schedule();
        var warmth = page.Find("//*[@role='slider'][@aria-label='warmth of the brew, degrees']");
        for (var i = 0; i < 12; i++)
        {
            warmth.SendKeys(Keys.ArrowRight);
        }

        page.See("24 °C");
        page.Until(() => schedule() != before, "the schedule to follow the warmth");
        page.Click("type fish hydrolysate");
        page.Fill("fish hydrolysate, as you would say it", "half a cup");
        page.See("= 125 mL · ½ cup");
        page.Driver.FindElement(By.TagName("body")).SendKeys(Keys.Tab);
        page.See("It would run short");
        page.Click("Schools differ: How long is it brewed?");
        page.See("24 h");
        page.Driver.FindElement(By.TagName("body")).SendKeys(Keys.Escape);
    }

    [Fact]
    public void Everything_can_be_done_with_the_keyboard_alone()
    {
        using var page = new Page(demo: true);
        page.Go("/");
        page.See("Wants hands");
        IWebElement Focused() => page.Driver.SwitchTo().ActiveElement();
        void Press(string keys) => new OpenQA.Selenium.Interactions.Actions(page.Driver).SendKeys(keys).Perform();
        void TabTo(string words)
        {
            for (var i = 0; i < 150; i++)
            {
                Press(Keys.Tab);
                var at = Focused();
                if ((at.GetAttribute("aria-label") ?? "").StartsWith(words, StringComparison.Ordinal) || at.Text.TrimStart('○', '●', ' ')
                    .StartsWith(words, StringComparison.Ordinal)
                    || (bool)page.Driver.ExecuteScript("return !!arguments[0].labels && "
                        + "[...arguments[0].labels].some(l => l.innerText.startsWith(arguments[1]))", at, words)!)
                {
                    return;
                }
            }

            throw new TimeoutException($"Tab never reached “{words}”.");
        }

        Press("?");
        page.See("show the sum");
        Press(Keys.Escape);
        Press("3");
        page.See("Begin something");
        TabTo("A brew");
        Press(Keys.Enter);
        page.See("To put out at");
        TabTo("Ridge Bed 6");
        Press(" ");
        page.Until(() => Focused().GetAttribute("aria-checked") == "true", "the bed ticked");
        TabTo("Keep this plan");
        Press(Keys.Enter);
        page.See("Source in: start it");
        TabTo("Strip, mg/L");
        Press("0" + Keys.Enter);
        page.See("Read it");
        TabTo("oxygen, mg/L");
        Press("8.8" + Keys.Enter);
        page.See("Kept at");
        page.Driver.ExecuteScript("document.activeElement.blur()");
        Press("w");
        page.See("The sum behind");
        Press(Keys.Escape);
        TabTo("Air off now");
        Press(Keys.Enter);
        page.See("Use it before");
        Press("2");
        page.See("What was seen last");
        TabTo("Leaves (brix)");
        Press(Keys.Enter);
        page.See("Read the leaves");
        TabTo("Brix, one after another");
        Press("9.1 8.8 9.4" + Keys.Enter);
        page.See("Kept");
    }

    [Fact]
    public void A_reading_without_a_signal_waits_on_the_phone_and_is_kept_once_when_there_is_one()
    {
        using var page = new Page(demo: true, 390, 844);
        page.Go("/");
        page.Click("Read it");
        page.See("oxygen, mg/L");
        foreach (var key in "6.4")
        {
            page.Key(key);
        }

        page.Driver.NetworkConditions = new ChromiumNetworkConditions { IsOffline = true, Latency = TimeSpan.Zero };
        page.Click("Keep it");
        page.See("Mud Pie does not answer.");
        page.See("1 entry waits on this device.");
        page.Click("what waits");
        page.See("oxygen 6.4, the Barrel");
        page.Driver.ClearNetworkConditions();
        page.SeeNot("Mud Pie does not answer.");
        page.See("Nothing waits.");
        using var scope = page.Services.CreateScope();
        var db = scope.ServiceProvider.GetRequiredService<HoldingDb>();
        page.Until(() => db.Log.Count(l => l.BatchId == 14 && l.Kind == LogKind.Oxygen && l.Number == 6.4) == 1, "the reading, once");
    }
}
