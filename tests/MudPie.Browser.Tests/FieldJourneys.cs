using OpenQA.Selenium;

namespace MudPie.Browser.Tests;

/// <summary>Odd days: two windows, other units, other makings, wrong files, a thumb on a phone.</summary>
public class FieldJourneys
{
    [Fact]
    public void Two_windows_on_one_bed_and_the_second_is_told()
    {
        using var page = new Page(demo: true);
        page.Go("/ground");
        page.Click("Ridge Bed 3");
        page.Unfold("Change Ridge Bed 3");
        var first = page.Driver.CurrentWindowHandle;
        page.Driver.SwitchTo().NewWindow(WindowType.Tab);
        page.Go("/ground");
        page.Click("Ridge Bed 3");
        page.Unfold("Change Ridge Bed 3");
        page.Fill("Crop", "leeks");
        page.Click("Keep it");
        page.See("leeks");
        page.Driver.SwitchTo().Window(first);
        page.Fill("Crop", "onions");
        page.Click("Keep it");
        page.See("Somebody else changed this");
        page.Holds("Crop", "onions"); // what was typed stays
    }

    [Fact]
    public void Gallons_and_Fahrenheit_are_answered_when_they_are_chosen()
    {
        using var page = new Page(demo: true);
        page.Go("/brew/plan");
        page.See("Backwards from there");
        page.Click("Saltmarsh End");
        page.Click("Answer in US customary");
        page.See("64.4 °F");
        page.See("gal of water");
        page.See("cfm");
        page.Click("Saltmarsh End");
        page.Click("Answer in metric");
        page.See("18 °C");
    }

    [Fact]
    public void A_feed_is_called_a_feed_from_the_plan_on()
    {
        using var page = new Page(demo: true);
        page.Go("/brew/plan");
        page.See("Backwards from there");
        page.Click("No recipe");
        page.Click("steeped castings: a feed");
        page.See("A feed, not a live brew");
        page.Press("//details[not(@open)]/summary[contains(., 'things to mind')]");
        page.See("Keep it apart, off leaves");
        page.Click("dunked extract");
        page.See("of compost to 100 of water");
        page.Click("3");
        page.See("3 loads of");
        page.Click("bubbled extract");
        page.See("bubbled 3 h 30 min");
    }

    [Fact]
    public void A_file_that_is_no_recipe_is_refused_in_words_and_a_good_one_is_kept()
    {
        using var page = new Page(demo: true);
        var folder = Directory.CreateTempSubdirectory("mudpie-files-").FullName;
        var (bad, good) = (Path.Combine(folder, "bad.json"), Path.Combine(folder, "good.json"));
        File.WriteAllText(bad, "{\n  \"format\": \"mud-pie-recipe\",\n  \"formatVersion\": 1,\n  \"name\": 7\n}");
        File.WriteAllText(good,
            """{"format":"mud-pie-recipe","formatVersion":1,"name":"Neighbour's tea","purpose":"leaf","bias":"balanced","making":"tea","vessel":"bucket","forLitres":20,"sources":[{"kind":"compost","litres":1.2}],"foods":[{"kind":"kelpLiquid","ml":15}]}""");
        page.Go("/brew/recipes");
        page.See("bring a recipe file");
        page.Bring(bad);
        page.See("Line 4 can't be read");
        page.Bring(good);
        page.See("Neighbour's tea");
        Directory.Delete(folder, true);
    }

    [Fact]
    public void A_brew_on_the_heap_has_its_record_to_print_with_what_was_put_right()
    {
        using var page = new Page(demo: true);
        page.Go("/brew/back");
        page.See("on the heap");
        page.Driver.FindElements(By.XPath("//button[starts-with(@aria-label, 'beside')]")).Take(2).ToList().ForEach(b => b.Click());
        page.See("Beside each other");
        page.Go("/brew/14");
        page.Press("//summary[contains(., 'entries of the log')]");
        page.Click("record a correction: oxygen of");
        page.Fill("It should be", "7.9");
        page.Press("//form//button[.='Record it']");
        page.See("a correction");
        page.Click("Send it to the heap");
        page.Fill("Why? The log keeps it", "made room for another");
        page.Click("On the heap");
        page.See("It went on the heap");
        page.Click("its record, to print");
        page.See("What was done");
        page.See("made room for another");
        page.Count("//li[contains(@class, 'line-through')]", 1);
    }

    [Fact]
    public void The_lines_of_the_watch_are_moved_and_nonsense_is_told_at_its_field()
    {
        using var page = new Page(demo: true);
        page.Go("/watch");
        page.See("It speaks when");
        page.Fill("nobody has read oxygen for, hours", "400");
        page.Click("Keep these lines");
        page.See("too much");
        page.Fill("nobody has read oxygen for, hours", "2");
        page.Click("Keep these lines");
        page.See("It speaks by these from now on");
        page.Again();
        page.See("It speaks when");
        page.Holds("nobody has read oxygen for, hours", "2");
        page.See("//a[contains(@href, 'calendar.ics')]", "/api/calendar.ics");
    }

    [Fact]
    public void On_the_phone_a_practice_brew_and_a_clean_up_are_done_by_thumb()
    {
        using var page = new Page(demo: true, 390, 844);
        page.Go("/brew/practice");
        page.Click("Waiting in the truck");
        page.Click("Four hours on");
        page.Click("oxygen");
        page.See("oxygen: ");
        page.Click("stop the air");
        page.Click("Four hours on");
        page.Click("put it out");
        page.Press("//button[@aria-controls='slate']");
        page.See("4 h without air");
        page.Go("/brew/clean");
        page.Click("done: Rinse, the Cone");
        page.Until(() => page.Driver.FindElements(By.XPath("//button[@aria-label='done: Rinse, the Cone']")).Count == 0,
            "the step to be ticked");
    }
}
