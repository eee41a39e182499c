using OpenQA.Selenium;

namespace MudPie.Browser.Tests;

/// <summary>From the question to the record with one verdict all the way: race, dose, wait, leaves, a crossed trial.</summary>
public class OneTruthJourneys
{
    /// <summary>What the race says, unfolded where it is folded under its line.</summary>
    private static string RaceSays(Page page) => page.Until(
        () =>
        {
            var folded = By.XPath("//details[not(@open)]/summary[starts-with(normalize-space(.), 'The race to the ground')]");
            page.Driver.FindElements(folded).FirstOrDefault(e => e.Displayed)?.Click();
            return page.Driver.FindElements(By.XPath("//section[@aria-label='The race to the ground']/p[1]"))
                .FirstOrDefault(e => e.Displayed)?.Text;
        },
        "what the race says");

    private static void Choose(Page page, string label, string option) =>
        page.Press($"//label[contains(., '{label}')]//option[contains(., '{option}')]");

    [Fact]
    public void The_race_is_the_same_on_plan_page_and_tank_and_a_brew_that_loses_it_is_no_go()
    {
        using var page = new Page(demo: true);
        page.Go("/brew/plan");
        page.See("The race to the ground");
        page.Unfold("The race to the ground");
        page.Click("with what it is carried and put out");
        page.Fill("Minutes to the bed", "5");
        page.Until(() => page.Text.Contains("way 5 min", StringComparison.Ordinal), "the way that was typed");
        page.Fill("Minutes to the bed", "-4");
        page.See("Give 0 to 600");
        page.Fill("Minutes to the bed", "600");
        page.Until(() => RaceSays(page).Contains('■', StringComparison.Ordinal), "a race that is lost");
        page.See("What would save it");
        page.Until(() => page.Says("//section[@aria-label='Slate']//h2[1]").Length > 0
            && !page.Text.Contains("\n✓ Go\n", StringComparison.Ordinal), "no go beside a lost race");

        page.Go("/brew/14");
        var live = RaceSays(page);
        page.Click("Put it out");
        page.See("What each bed gets");
        page.Unfold("The race to the ground");
        page.Until(() => RaceSays(page)[0] == live[0], $"the race of the live page on the tank: {live}");
        page.Until(() => !page.Text.Contains("\n✓ Go\n", StringComparison.Ordinal), "no go on the tank where the live page says stop");
    }

    [Fact]
    public void Two_sources_by_weight_go_from_the_plan_to_the_page_the_windows_and_the_card_and_a_late_tick_keeps_its_times()
    {
        using var page = new Page(demo: true);
        page.Go("/brew/plan");
        page.See("Backwards from there");
        page.Click("Creek Field");
        page.Click("Ridge Bed 2");
        page.Unfold("+ something else in it");
        page.Click("+ compost");
        page.Click("type compost");
        page.Fill("compost, as you would say it", "200 g");
        page.See("from 200 g at");
        page.Field("compost, as you would say it").SendKeys(Keys.Tab);
        page.Until(() => page.Says("//section[@aria-label='Schedule']").Contains("of compost", StringComparison.Ordinal),
            "both sources in the schedule");
        page.Click("Keep this plan");
        page.See("Source in: start it");
        page.See("//dl", "compost");
        page.See("//dl", "castings");
        page.See("The race to the ground");
        var race = RaceSays(page);

        page.Go("/put-out/windows");
        page.See("Brews for it");
        page.See("//section[@aria-label='Brews for it']", race);
        page.Click("Ridge Bed 2");
        page.See("Source in: start it");
        page.Click("its card, to print");
        page.See("In it");
        page.Until(() => RaceSays(page) == race, $"the same race on the card: {race}");
        page.See("//main", "compost");

        page.Driver.Navigate().Back();
        page.See("Source in: start it");
        page.Press("//section[@aria-label='Steps']//button[contains(., 'another time')]");
        page.Type("//section[@aria-label='Steps']//input", Keys.Control + "a" + Keys.Null + "10 Jun 2026 09:30");
        page.Click("done: Shop and clean");
        page.See("done 09:30");
        page.See("written down 10:");
        page.See("planned ");
    }

    [Fact]
    public void One_dose_on_shelf_season_and_tank()
    {
        using var page = new Page(demo: true);
        page.Go("/put-out/season");
        page.See("The rate is by the label");
        var next = page.Says("//p[starts-with(normalize-space(.), 'Next: ')]");
        var amount = System.Text.RegularExpressions.Regex.Match(next, @"Next: [^,]+, ([0-9.]+ [A-Za-z]+)").Groups[1].Value;
        page.Click("fill the tank for it");
        page.See("What each bed gets");
        page.See($"{amount} of liquid seaweed");

        page.Go("/shelf");
        page.Click("Add something");
        page.Fill("Your name for it", "pond weed brew");
        Choose(page, "It is", "liquid seaweed");
        page.Fill("Label rate, in its own words", "1,000 mL a hectare");
        page.Click("Keep it");
        page.See("can be read as 1 or as 1000");
        page.Fill("Label rate, in its own words", "3 to 5 mL a can of 10 L, each week; 12 mL monthly");
        page.Click("Keep it");
        page.See("3 to 5 mL a can of 10 L, each week; 12 mL monthly");
    }

    [Fact]
    public void The_wait_is_told_with_the_plan_and_goes_by_what_is_eaten()
    {
        using var page = new Page(demo: true);
        page.Go("/brew/plan");
        page.See("The race to the ground");
        page.Click("Creek Field");
        page.Click("Ridge Bed 4");
        page.See("no harvest before");
        page.Go("/book");
        page.Click("whose days they are");
        page.Press("//label[starts-with(normalize-space(.), 'Ridge Bed 4, fennel')]//option[contains(., 'nothing of it is eaten raw')]");
        page.Until(() => page.Find("//label[starts-with(normalize-space(.), 'Ridge Bed 4, fennel')]//select")
            .GetAttribute("value") == "nothing", "it to be kept");
        page.Go("/brew/plan");
        page.See("The race to the ground");
        page.Click("Creek Field");
        page.Click("Ridge Bed 4");
        page.Until(() => page.Text.Contains("for Ridge Bed 4", StringComparison.Ordinal)
            || page.Driver
                .FindElements(By.XPath("//*[@role='checkbox'][starts-with(@aria-label,'Ridge Bed 4')][@aria-checked='true']")).Count == 1,
                "the bed to be chosen");
        page.Until(() => !page.Text.Contains("no harvest before", StringComparison.Ordinal), "no wait on what nobody eats raw");
    }

    [Fact]
    public void Leaves_are_noted_as_they_were_and_a_carrier_lies_beside_what_it_carries()
    {
        using var page = new Page(demo: true);
        page.Go("/");
        page.See("Wants hands");
        page.Click("Note it");
        page.Fill("Say it in a few words", "brix 12 dry fennel top 18 c");
        page.See("1 dry");
        page.See("The sky was not said");
        page.Click("Ridge Bed 5");
        page.Click("Record it");
        page.See("✓ Brix");
        page.Go("/judge/patches");
        page.Click("Mark new patches");
        page.Click("fulvic acid");
        page.Click("liquid seaweed");
        page.Press("//label[starts-with(normalize-space(.), 'It is')]//option[contains(., 'what others are mixed with')]");
        page.Press("//*[@role='checkbox'][starts-with(@aria-label, 'mixed into') or @id=//label[starts-with(normalize-space(.), 'mixed "
            + "into')]/@for] | //label[starts-with(normalize-space(.), 'mixed into')]");
        page.Fill("Patches of each", "1");
        page.Click("Draw the order by lot");
        page.See(" in ");
        page.See("(carrier)");
        page.See("In the same water");
    }

    [Fact]
    public void A_trial_crossed_with_crops_judges_the_treatment_and_no_crop()
    {
        using var page = new Page(demo: true);
        var file = Path.Combine(Directory.CreateTempSubdirectory("mudpie-crossed-").FullName, "char.csv");
        static double Grown(int b, string crop, string amendment) =>
            (crop == "dahlia" ? 40 : 24) + (amendment == "char" ? 6 : 0) + (((b * 7) + crop.Length) % 5 * 0.3);
        var rows = from b in Enumerable.Range(1, 4)
                   from crop in new[] { "beet", "dahlia" }
                   from amendment in new[] { "no char", "char" }
                   select FormattableString.Invariant($"{b},{amendment},{crop},{Grown(b, crop, amendment):0.0}");
        File.WriteAllText(file, "block,amendment,crop,cm\n" + string.Join('\n', rows) + "\n");
        page.Go("/judge");
        page.Click("Bring a trial from a file");
        page.Bring(file);
        page.See("16 rows, 4 columns");
        page.Press("//fieldset[legend[contains(.,'Measured')]]//*[@role='checkbox'][@aria-label='cm']");
        page.Press("//fieldset[legend[contains(.,'What was done')]]//*[@role='checkbox'][@aria-label='amendment']");
        page.Press("//fieldset[legend[contains(.,'What was done')]]//*[@role='checkbox'][@aria-label='crop']");
        page.Press("//label[contains(.,'Block, or pair')]/select/option[.='block']");
        Choose(page, "Design", "factorial");
        page.Fill("The question", "Does char lift what grows in it?");
        page.Fill("Crop", "beet and dahlia");
        page.Click("Bring it in");
        page.Until(() => page.Driver.Url.Contains("/judge/trials/", StringComparison.Ordinal), "the trial");
        page.Until(() => page.Text.Contains("Char gave", StringComparison.OrdinalIgnoreCase), "a verdict on char");
        page.SeeNot("does harm");
    }
}
