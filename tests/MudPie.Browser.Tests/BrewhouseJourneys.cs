using OpenQA.Selenium;

namespace MudPie.Browser.Tests;

/// <summary>The brewhouse, used as a grower would.</summary>
public class BrewhouseJourneys
{
    [Fact]
    public void A_recipe_is_made_ones_own_changed_and_planned_in_another_vessel()
    {
        using var page = new Page(demo: true);
        page.Go("/brew/recipes");
        page.See("House leaf tea");
        page.Click("Leaf, fungal, barrel");
        page.Click("Make it mine");
        page.Fill("Name", Keys.Backspace);
        page.Click("Keep it as mine");
        page.See("no name");
        page.Fill("Name", "Currant tea");
        page.Click("+ a food, or a part");
        page.Count("//form//label[starts-with(., 'how much')]", 5);
        page.Click("Leave out food 5");
        page.Click("Keep it as mine");
        page.Click("Currant tea");
        page.See("version 1");
        page.Click("Plan a brew of it");
        page.See("Backwards from there");
        page.See("Currant tea");
        page.See("in the Cone"); // the field wants more than a barrel
        page.Click("Creek Field");
        page.Click("Currant Rows");
        page.See("in the Barrel");
        page.See("covers 5016 m²");
        page.Until(() => page.Driver.FindElements(By.XPath("//*[@role='slider'][@aria-label='oat flour']")).Count == 1,
            "the recipe's own foods, scaled");
        page.Click("in parts: oat flour");
        page.See("oat flour at 6 h");
        page.See("Feed at 6 h");
        page.Click("Keep this plan");
        page.See("Source in: start it");
        page.See("Currant tea, version 1");
    }

    [Fact]
    public void Readings_teach_and_what_is_done_moves_the_forecast()
    {
        using var page = new Page(demo: true);
        page.Go("/brew/14");
        page.See("What its readings taught");
        page.See("If the pump stops now");
        page.Click("changed the air");
        page.Fill("Air in all from now on", "110 L/min");
        page.Click("Keep it");
        page.See("Kept at");
        page.Until(() => !page.Text.Contains("Give it more air", StringComparison.Ordinal), "the verdict to follow the second pump");
        page.Click("fed it");
        page.Fill("How much of what", "love");
        page.Click("Keep it");
        page.See("There is no food in that");
        page.Fill("How much of what", "half a cup of molasses");
        page.Click("Keep it");
        page.See("125 mL molasses");
    }

    [Fact]
    public void A_live_brew_is_asked_what_if_and_backwards_and_the_schools_stand_side_by_side()
    {
        using var page = new Page(demo: true);
        page.Go("/brew/14");
        page.Click("Ask it what if");
        page.See("the power fails");
        page.See("Most of each food this air carries");
        page.See("a second pump from");
        page.Click("○ a cooler place".TrimStart('○', ' '));
        page.See("cooler from");
        page.Count("//button[@aria-pressed='false'][@disabled][contains(., 'a cold night')]", 1); // four curves at the most
        page.Fill("the power fails: at hour", "2");
        page.See("That hour has passed");
        page.Fill("the power fails: at hour", "14");
        page.See("Under 6 mg/L");
        page.Unfold("What each school would have done");
        page.See("heavy air, fed richly");
        page.Count("//section[@aria-label='Schools side by side']//figure", 6);
        page.Go("/brew");
        page.SeeNot("power fails");
    }

    [Fact]
    public void The_probe_reads_is_marked_simulated_and_is_held_against_the_hand()
    {
        using var page = new Page(demo: true, probe: true);
        page.Go("/brew/14");
        page.See("This probe is simulated");
        page.Until(() =>
        {
            page.Again(); // a page that is left open asks once a minute
            page.See("readings kept");
            return !page.Text.Contains(" 0 readings kept", StringComparison.Ordinal);
        }, "its readings");
        page.See("your own readings");
        page.Click("take it out");
        page.See("It has been taken out");
    }

    [Theory]
    [InlineData(1280, 800)]
    [InlineData(390, 844)]
    public void A_tally_by_keys_without_looking_comes_to_a_ratio_and_is_kept(int width, int height)
    {
        using var page = new Page(demo: true, width, height);
        page.Go("/brew/microscope");
        page.See("Field 1");
        if (width > 600)
        {
            page.Rest();
            page.Find("//button[contains(., 'bacterium')]");
            var body = page.Driver.FindElement(By.TagName("body"));
            body.SendKeys("jjjjjjjjjjkf jjjjjjjjkj jjjjjjjjjk");
            page.See("Field 3");
        }
        else
        {
            for (var i = 0; i < 3; i++)
            {
                page.Click("bacterium");
            }

            page.Click("thread of fungi");
            page.Press("//button[@aria-controls='slate']");
        }

        page.See("F:B");
        page.See("more fields halve it");
        page.Click("at the end");
        page.Click("Keep this tally");
        page.Until(() => page.Driver.FindElements(By.XPath("//section[@aria-label='Tallies kept']//li")).Count == 9,
            "the tally among those kept");
    }

    [Fact]
    public void A_practice_brew_is_played_to_its_plain_account()
    {
        using var page = new Page(demo: true);
        page.Go("/brew/practice");
        page.Click("The quiet pump");
        page.See("Sleep well");
        page.Click("Four hours on");
        page.Click("oxygen");
        page.See("oxygen: ");
        page.Click("Four hours on");
        page.Click("bubbles");
        page.See("the water is still");
        page.Click("send it to the heap");
        page.See("What really went on");
        page.See("The pump stopped at 7 h 30 min");
        page.See("makes no sound");
        page.Click("Again, another day");
        page.Click("Let it run");
        page.Until(() => !page.Text.Contains("0 h 00 min in", StringComparison.Ordinal), "the clock to run");
    }

    [Fact]
    public void Water_source_air_clean_up_and_the_watch_are_worked()
    {
        using var page = new Page(demo: true);
        page.Go("/brew/water");
        page.See("270 mg");
        page.Fill("Rain tank", "half a bucket");
        page.Fill("Mains", "20 L");
        page.See("30 mg of ascorbic acid");
        page.Fill("Mains", "-4");
        page.Until(() => page.Driver.FindElements(By.XPath("//*[@role='alert']")).Count > 0, "a refusal");

        page.Go("/brew/sources");
        page.Click("ask about it: leaf-mould compost LM-2");
        page.Click("raw");
        page.Click("Rule on it");
        page.See("Do not brew this");

        page.Go("/brew/air");
        page.See("outlets ask");
        page.Fill("Depth", "4");
        page.See("No air comes out");
        page.Fill("Depth", "0.28");
        page.Fill("How many", "2");
        page.See("Enough");
        page.Click("Keep for the Blue Bucket");
        page.See("plans for this vessel breathe with it");

        page.Go("/brew/clean");
        foreach (var step in new[] { "Rinse", "Walls", "Hose and outlets", "Bag and mesh", "Dry" })
        {
            page.Click($"done: {step}, the Cone");
        }

        page.See("Every vessel is clean");
        page.Go("/watch");
        page.See("The Barrel is expected below 6");
        page.Click("seen to: The Barrel is expected");
        page.Until(() => !page.Text.Contains("The Barrel is expected below 6", StringComparison.Ordinal), "the notice to go");
        page.Go("/");
        page.See("Wants hands");
        page.Until(() => page.Driver.FindElements(By.CssSelector("[aria-busy=true]")).Count == 0, "Today");
        page.SeeNot("is sliding toward 6");
    }
}
