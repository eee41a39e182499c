using System.Globalization;
using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;

namespace MudPie.Browser.Tests;

/// <summary>From a window to the wash-up, from a bottle to a bed, from a lot to a harvest, and a note from a phone.</summary>
public class PutOutJourneys
{
    [Fact]
    public void From_a_window_to_the_wash_up()
    {
        using var page = new Page(demo: true);
        var csv = Path.Combine(Directory.CreateTempSubdirectory("mudpie-sky-").FullName, "sky.csv");
        File.WriteAllText(csv, "time,°C,wind m/s,rain mm\n"
            + string.Join('\n', Enumerable.Range(-2, 90)
                .Select(h => string.Create(CultureInfo.InvariantCulture,
                    $"{Page.Begins.AddHours(h).UtcDateTime:yyyy-MM-dd'T'HH':00:00Z'},15,2,0"))));
        page.Go("/put-out/windows");
        page.See("No weather is known");
        page.Bring(csv);
        page.See("90 hours kept");
        page.See("100 of 100 at its best: 15 °C, wind 2 m/s");
        page.Type("//*[@role='slider'][@aria-label='Half hour']", Keys.ArrowRight);
        page.Click("plan a brew for it");
        page.See("Backwards from there");
        page.Driver.Navigate().Back();
        page.Click("roots");
        page.See("to 22:00"); // roots all day, until it is dark

        page.Go("/put-out/14");
        page.See("3 fillings");
        page.See("less: structure of");
        page.Click("It is out");
        page.See("cautions have not been ticked");
        page.TickAll();
        page.Click("It is out");
        page.See("Wash up 400 L mounted boom");
        page.Click("It is washed up");
        page.See("that is logged too");
        page.Click("See it in the book");
        page.See("Fennel and currants, tea on leaves");
        page.See("cautions ticked: spraying");
        page.See("washed up");
    }

    [Fact]
    public void The_old_knapsack_is_refused_and_a_bottle_goes_out_of_another()
    {
        using var page = new Page(demo: true);
        page.Go("/put-out/tank?input=10&bed=5");
        page.See("One filling of");
        page.Press("//label[contains(., 'By what')]//option[contains(., 'old knapsack')]");
        page.See("it has held weed-killer or pesticide");
        page.TickAll();
        page.Click("It is out");
        page.See("Take one kept for biology");
        page.Press("//label[contains(., 'By what')]//option[contains(., 'kept for biology')]");
        page.Until(() => !page.Text.Contains("Not this one", StringComparison.Ordinal), "the refusal to go");
        page.Fill("How much", "lots");
        page.See("There is no number in");
        page.Fill("How much", "2 L");
        page.See("From the shelf: liquid seaweed");
        page.Click("It is out");
        page.See("It is in the book");
        page.Go("/shelf?input=10");
        page.Click("its book");
        page.See("put out: a job");
    }

    [Fact]
    public void An_inoculant_goes_through_an_injector_by_what_lives_in_it()
    {
        using var page = new Page(demo: true);
        page.Go("/put-out/dose");
        page.See("1.79 mL for 240 plants.");
        page.See("% of it is still alive");
        page.Unfold("Through an injector");
        page.Unfold("From seedling to harvest");
        page.Fill("Its ratio", "1:100");
        page.See("5 L of stock");
        page.Click("organic feeds are in the tank too");
        page.Fill("Warmth of the tank", "24 C");
        page.See("Use the tank within 24 h.");
        page.Fill("Days between", "28");
        page.See("of the label's organisms a week");
        page.Fill("Organisms on each", "rather many");
        page.See("is no count");
        page.Holds("Organisms on each", "rather many");
        page.Press("//label[contains(., 'Which?')]//option[contains(., 'Threadwork')]");
        page.Fill("Organisms on each", "500");
        page.Fill("Crop", "beetroot");
        page.See("Beetroot does not host mycorrhiza");
    }

    [Fact]
    public void A_lot_is_traced_to_its_beds_and_a_bed_back()
    {
        using var page = new Page(demo: true);
        page.Go("/shelf");
        page.See("To buy or make, two weeks");
        page.See("fulvic acid on Ridge Bed 4");
        page.Click("fish hydrolysate");
        page.See("Lot F-24");
        page.Click("follow its thread, F-24");
        page.See("fish hydrolysate, lot F-24 went into");
        page.See("300 mL was spilt or counted away");
        page.Press("//*[name()='g'][@data-knot='bed-8']");
        page.See("Ridge Bed 7 got");
        page.See("lot F-24");
        page.Click("Season");
        page.See("By input");
        page.Go("/book/plan?bed=8"); // an address of before leads on
        page.See("no harvest before");
    }

    [Fact]
    public void A_programme_is_dragged_to_another_week_and_put_back()
    {
        using var page = new Page(demo: true);
        page.Go("/put-out/season");
        page.See("is wasted");
        IWebElement Knob() =>
            page.Find("//*[name()='g'][@role='slider'][contains(@aria-label, 'wasted')] | //*[name()='g'][@data-giving='3']");
        var before = Knob().GetAttribute("aria-label");
        new Actions(page.Driver).ClickAndHold(Knob()).MoveByOffset(-60, 0).MoveByOffset(-100, 0).Release().Perform();
        page.See("liquid seaweed moved.");
        page.Until(() => Knob().GetAttribute("aria-label") != before, "another day");
        page.Until(() => !page.Text.Contains("is wasted", StringComparison.Ordinal), "nothing to be wasted");
        Knob().SendKeys(Keys.PageDown);
        page.Until(() => page.Text.Contains("Put it back on", StringComparison.Ordinal), "the way back");
        page.Click("Propose its days");
        page.Until(() => page.Driver.FindElements(By.XPath("//*[name()='g'][@data-giving]")).Count >= 6, "more givings");
        page.Fill("or on", "1 Jan 2020");
        page.Click("Lay it");
        page.See("not near this season");
    }

    [Fact]
    public void A_note_from_a_phone_is_shown_before_it_is_written()
    {
        using var page = new Page(demo: true, 390, 844);
        page.Go("/");
        page.See("Wants hands");
        page.Click("Note it");
        page.Fill("Say it in a few words", "o2 6.7 barel");
        page.See("Oxygen 6.7 mg/L in the Barrel.");
        page.See("“barel” read as barrel");
        page.Click("Record it");
        page.See("✓ Oxygen 6.7 mg/L");
        page.Fill("Say it in a few words", "mumble");
        page.See("is not understood");
        page.Fill("Say it in a few words", "brix 9.1 8.8 9.4 fennel top 18 c");
        page.Click("Ridge Bed 5");
        page.Click("Record it");
        page.See("✓ Brix");
        page.Fill("Say it in a few words", "used 30 ml kelp on ridge bed 4");
        page.See("Gloves, eye protection");
        page.Click("Read that; record it");
        page.See("✓ Used 30 mL");
        page.Click("see it");
        page.See("kelp liquid on roots");
        page.Go("/brew/14");
        page.Until(() => page.Driver.FindElement(By.TagName("main")).GetAttribute("textContent")!.Contains("6.7", StringComparison.Ordinal),
            "the reading in the log");
    }

    [Fact]
    public void A_brew_is_slid_along_the_day_line_by_keys_and_by_hand_and_put_back()
    {
        using var page = new Page(demo: true);
        page.Go("/");
        page.See("Wants hands");
        IWebElement Loaf(string name) => page.Find($"//*[name()='g'][@role='slider'][starts-with(@aria-label, '{name}')]");
        var before = Loaf("the Blue Bucket").GetAttribute("aria-label");
        Loaf("the Blue Bucket").SendKeys(Keys.ArrowRight);
        Loaf("the Blue Bucket").SendKeys(Keys.PageDown);
        page.See("source in Thu");
        Loaf("the Blue Bucket").SendKeys(Keys.Enter);
        page.See("put the Blue Bucket back to");
        page.Until(() => Loaf("the Blue Bucket").GetAttribute("aria-label") != before, "the bucket's hour");
        page.Click("put the Blue Bucket back to");
        page.Until(() => Loaf("the Blue Bucket").GetAttribute("aria-label") == before, "the bucket back");

        var crust = Loaf("the Barrel").FindElement(By.XPath("./*[name()='g'][last()]"));
        new Actions(page.Driver).MoveToElement(crust).ClickAndHold().MoveByOffset(-25, 0).MoveByOffset(-20, 0).Release().Perform();
        page.See("put the Barrel back to");
    }
}
