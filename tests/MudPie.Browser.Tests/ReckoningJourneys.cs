namespace MudPie.Browser.Tests;

/// <summary>From what the year was worth to a trial that is planned; a protocol joined and pooled by files; a season ahead with one thing
/// dropped; where organisms are lost.</summary>
public class ReckoningJourneys
{
    [Fact]
    public void From_the_reckoning_to_a_planned_trial()
    {
        using var page = new Page(demo: true);
        page.Go("/judge/reckoning");
        page.See("You put in ");
        page.See("What would be worth finding out");
        page.Press("//button[.//b[.='tea on garlic']]");
        page.See("It goes by own trial, 15 plots");
        page.See("After its cost:");
        page.Press("//div[.//ul[@aria-label='Hands: tea on garlic']]//button[.='= show the sum']");
        page.See("no word is stronger than its interval");
        page.Click("Close the sum");
        // another price of an hour is played with, and kept nowhere
        page.Unfold("Other ground, other years, another price of an hour");
        page.Press("//span[@role='slider'][@aria-label='Years that it would be used for']");
        page.Key(OpenQA.Selenium.Keys.Home);
        page.See("for a year");
        page.Click("back to how it is");
        page.See("for 5 years");
        page.Axe().ShouldBeEmpty("the reckoning, opened");
        page.Unfold("more doubts");
        page.Press("//a[starts-with(@aria-label, 'Plan that trial: tea on garlic')]");
        page.See("Plan a trial");
        page.Unfold("1 · The question");
        page.Holds("In one sentence", "Does tea lift garlic more than water alone?");
        page.Click("Keep this plan");
        page.See("Planned. Draw the layout next.");
        // and it stands among the hours of the season ahead
        page.Go("/judge/ahead");
        page.See("Lay out: Does tea lift garlic more than water alone?");
    }

    [Fact]
    public void Usual_minutes_and_prices_are_said_once_and_a_thing_is_kept_for_other_reasons()
    {
        using var page = new Page(demo: true, 390, 844);
        page.Go("/judge/reckoning");
        page.Press("//button[.//b[.='tea on beetroot']]");
        page.Fill("Keep it all the same, because", "it smells of the woods");
        page.Press("//form[@aria-label='Keep tea on beetroot']//button[@type='submit']");
        page.See("//button[.//b[.='tea on beetroot']]", "kept all the same");
        page.Press("//button[@aria-controls='slate'][@aria-expanded='false']");
        page.Unfold("Prices, usual minutes, your hour");
        page.Fill("An hour of yours", "much");
        page.Press("//form[@aria-label='Prices and usual minutes']//button[@type='submit']");
        page.See("✕");
        page.Fill("An hour of yours", "20");
        page.Unfold("putting out");
        page.Fill("a filling", "11");
        page.Press("//form[@aria-label='Prices and usual minutes']//button[@type='submit']");
        page.SeeNot("✕");
        page.Go("/judge/reckoning");
        page.Press("//button[@aria-controls='slate'][@aria-expanded='false']");
        page.Unfold("Prices, usual minutes, your hour");
        page.Unfold("putting out");
        page.Holds("a filling", "11");
        page.Holds("An hour of yours", "20");
    }

    [Fact]
    public void A_season_ahead_with_one_thing_dropped()
    {
        using var page = new Page(demo: true);
        page.Go("/judge/ahead");
        page.See("h there are");
        page.Press("//section[@aria-label[starts-with(., 'Week of')]]//button[contains(@aria-label, 'leave it out: ')]"
            + "[contains(@aria-label, 'on Ridge Bed')]");
        page.See("Left out here, to see what that does");
        page.See("Nothing is taken out of a plan by this");
        page.Axe().ShouldBeEmpty("the season ahead");
        var left = page.Says("//section[@aria-label='Left out']//b");
        page.Click("drop it from its programme");
        page.SeeNot("Left out here");
        page.Go("/put-out/season");
        page.See("Ridge Bed 4");
        left.ShouldContain("on Ridge Bed");
    }

    [Fact]
    public void Where_organisms_are_lost_is_drawn_by_machine_and_counted_at_the_microscope()
    {
        using var page = new Page(demo: true);
        page.Go("/judge/harm");
        page.See("before the pump and behind the pump");
        page.See("400 L mounted boom, 2025");
        page.Axe().ShouldBeEmpty("where organisms are lost");
        page.Click("Count at the microscope");
        page.See("Counted");
    }

    [Fact]
    public void A_protocol_is_joined_by_a_file_and_its_result_comes_back_and_is_pooled()
    {
        var folder = Directory.CreateTempSubdirectory("mudpie-gardens").FullName;
        using var north = new Page(demo: true);
        using var south = new Page(demo: false);
        south.Go("/");
        south.Asked("/api/holding/setup", """
            {"name":"Upper Meadow","place":"51.2, -2.1","altitude":"40 m","zone":"Europe/London","units":"metric","bedName":"Long Bed",
             "area":"40 m²","crop":"garlic","growing":"annual","shape":"bucket","total":"20 L","depth":"28 cm","openFlow":"6 L/min",
             "shutOff":"20 kPa","diffuserKind":"airStone","waterKind":"rain","strip":"0"}
            """);
        string Kept(Page page, string path, string name)
        {
            var text = (string)page.Driver.ExecuteAsyncScript(
                "const [p, done] = arguments; fetch(p).then((r) => r.text()).then(done)", path)!;
            var file = Path.Combine(folder, name);
            File.WriteAllText(file, text);
            return file;
        }

        north.Go("/judge/together");
        north.See("Over 3 gardens the difference is");
        south.Go("/judge/together");
        south.Bring(Kept(north, "/api/judge/together/1/protocol.json", "protocol.json"));
        south.See("Asked by Saltmarsh End");
        south.Press("//button[@role='checkbox'][@aria-label='nothing']");
        south.Click("Plan it here");
        south.See("By a protocol");
        south.Click("Keep this plan");
        south.See("Planned. Draw the layout next.");
        south.Click("Draw the layout by lot");
        south.Click("It is set out: begin");
        south.See("Measure, plot by plot");
        BoxJourneys.Measure(south);
        south.Click("Open the codes");
        south.Click("the other gardens");
        south.See("its result as a file");
        var result = Kept(south, "/api/judge/together/trials/1/result.json", "result.json");
        File.ReadAllText(result).ShouldNotContain("Long Bed", Case.Insensitive, "nothing else of the holding leaves it");
        north.Bring(result);
        north.See("Over 4 gardens the difference is");
        north.See("Upper Meadow, garlic");
        Directory.Delete(folder, true);
    }
}
