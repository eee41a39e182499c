namespace MudPie.Browser.Tests;

/// <summary>What axe-core finds on every screen in both lights, and on what is used outdoors at a phone's width: nothing.</summary>
public class AxeTests
{
    /// <summary>What is done at a table: looked at wide only, as the whole must stay under CI's time.</summary>
    private static readonly string[] Desk =
    [
        "/judge/new", "/judge/across", "/judge/together", "/judge/practice", "/judge/reckoning/print", "/judge/harm",
        "/judge/trials/2/print", "/brew/recipes", "/brew/ask",
        "/brew/back",
        "/brew/practice", "/make/mix/2/card", "/make/heap/new", "/brew/14/card", "/brew/air", "/book/season", "/put-out/season",
            "/put-out/mixing", "/look/walk/new", "/look/zones", "/look/years",
    ];

    /// <summary>Every screen, and words by which it is known to be there.</summary>
    private static readonly (string Path, string Sign)[] Screens =
    [
        ("/", "Wants hands"), ("/waiting", "Waiting for a signal"), ("/brew", "over,"),
        ("/make", "as it stands now"), ("/make/mix", "Begin a mix"),
        ("/make/mix/new", "+ another mix"), ("/make/mix/2", "What was done"), ("/make/mix/2/card", "Labels"),
        ("/make/heap", "Build a heap"), ("/make/heap/new", "carbon to nitrogen"), ("/make/heap/2", "What was done"),
        ("/make/worms", "Set up worms"), ("/make/worms/1", "catches the drips"), ("/make/worms/new", "catches the drips"),
        ("/look/sheets", "what was taken up"), ("/look/sheets/4", "Hatched: enough"), ("/look/sheets/sampling", "What to sample"),
        ("/judge/claims?claim=seaweed-yield", "Seaweed lifts yield"), ("/make/sheet/11", "2300 mg/L"),
        ("/make/sheet", "Begin a sheet"), ("/make/sheet/5", "potassium"), ("/make/sheet/new", "Paste it"),
        ("/keep/almanac", "Sky today"), ("/make/prep/new", "Touch the plan"), ("/make/prep/6", "What was done"),
        ("/make/byproduct", "Two runs of kitchen scraps"), ("/make/sheet/beside", "say the base"),
        ("/put-out/solid?beds=3", "How it is given"), ("/shelf/label?input=1&lot=1", "lot LM-1"),
        ("/make/heap/2/label", "Print it"), ("/make/worms/1/label", "Print them"),
        ("/make/char", "Plan a burn"), ("/make/char/new", "Across its foot"), ("/make/char/2", "The pit holds"),
        ("/look?bed=5", "hatched: waits"), ("/look/checks", "Keep this check"), ("/look/walk", "flag: a peg"),
        ("/look/walk/new", "In which months"), ("/look/walk/1", "peg 1 of 5"), ("/look/pegs/1", "All that was found here"),
        ("/look/pegs/new", "How to find it"), ("/look/zones", "Touch corner after corner"), ("/look/years", "peg by peg"),
        ("/look/plantings?bed=1", "newest first"), ("/look/plantings/1", "What hangs on it"), ("/look/goals", "the way there"),
            ("/brew/plan", "To put out at"),
        ("/brew/14", "Read it"), ("/brew/15", "start it"),
        ("/brew/3", "7 L of tea for Ridge Bed 1"), ("/put-out", "Who wins, the clock or the oxygen?"),
        ("/put-out/14", "On which beds?"), ("/put-out/windows", "A bar: it can go out"),
        ("/put-out/tank", "add something from the shelf"), ("/put-out/dose", "Through an injector"),
        ("/put-out/season", "Drag one to another day"), ("/put-out/sprayers", "Add a sprayer"),
        ("/put-out/mixing", "Rules from your labels"), ("/shelf", "Compost and castings"), ("/book", "begun in the Barrel"),
        ("/book/thread?of=bed-10", "harvests"), ("/book/season", "By bed."),
        ("/judge", "Does tea lift garlic"), ("/judge/new?template=seaweed", "1 · The question"),
        ("/judge/trials/1", "How strong is this look?"), ("/judge/trials/2", "How strong is this look?"),
        ("/judge/trials/2/sheet", "In walking order"), ("/judge/trials/2/print", "plot 1, Nursery Bench"),
        ("/judge/patches", "Ridge Bed 6, fennel"), ("/judge/across", "Tea against water only"),
        ("/judge/together", "Gorse Hill, garlic"), ("/judge/practice", "A field of oats"),
        ("/judge/reckoning", "A bar holds the truth 19 times in 20"), ("/judge/reckoning/print", "What would be worth finding out"),
        ("/judge/ahead", "h there are"), ("/judge/harm", "Count at the microscope"),
        ("/look/leaves/6", "Every visit"), ("/judge/brix", "Sprays of the last"), ("/ground", "Beds"),
        ("/brew/water", "ascorbic acid"), ("/brew/sources", "Good to brew"), ("/brew/recipes", "Places to start"),
        ("/brew/air", "Pumps, side by side"),
        ("/brew/ask?batch=14", "What if"), ("/brew/microscope", "Field 1"), ("/brew/clean", "the Cone"), ("/brew/back", "Came to"),
        ("/brew/practice", "The quiet pump"), ("/brew/14/card", "In it"), ("/watch", "twice a minute"),
        ("/keep/people", "The owner’s password"), ("/join#K7QM-2XPD", "Let this phone in"),
    ];

    [Theory]
    [InlineData(1280, 800)]
    [InlineData(390, 844)]
    public void Axe_finds_nothing_on_any_screen(int width, int height)
    {
        using var page = new Page(demo: true, width, height);
        foreach (var (path, sign) in Screens)
        {
            if (width < 600 && Desk.Any(d => path.StartsWith(d, StringComparison.Ordinal)))
            {
                continue;
            }

            page.Go(path);
            page.See(sign);
            page.Count("//*[@aria-busy='true']", 0); // all that it shows, and no shape of what comes
            if (path == "/brew/plan")
            {
                page.Find("//*[@role='slider']");
            }

            // colours are the same at both widths, and to look at them takes longest
            page.Axe(but: width < 600 ? "color-contrast" : null).ShouldBeEmpty($"{path}, {width}");
            if (width > 600)
            {
                page.Driver.ExecuteScript("document.documentElement.dataset.light = 'night'");
                page.Axe(rule: "color-contrast").ShouldBeEmpty($"{path}, night, {width}");
            }
        }

        if (width < 600)
        {
            page.Go("/brew/14");
            page.Press("//button[@aria-controls='slate']");
            page.See("Put the slate down");
            page.Axe().ShouldBeEmpty("the slate pulled up");
        }
    }

    [Fact]
    public void Axe_finds_nothing_in_the_setup_the_sum_the_fork_and_the_menu()
    {
        using var empty = new Page(demo: false);
        empty.Go("/");
        empty.See("What will you make first?");
        empty.Axe().ShouldBeEmpty();
        using var page = new Page(demo: true);
        page.Go("/");
        page.See("Wants hands");
        page.Driver.FindElement(OpenQA.Selenium.By.TagName("body")).SendKeys("n");
        page.Fill("Say it in a few words", "brix 9.1 8.8 fenel top");
        page.See("Which one?");
        page.Axe("[role=dialog]").ShouldBeEmpty();
        page.Go("/brew/14");
        page.Click("= show the sum");
        page.See("The sum behind");
        page.Axe("[role=dialog]").ShouldBeEmpty();
        page.Go("/brew/plan");
        page.Click("Schools differ: How much air?");
        page.See("enough to keep 6 mg/L");
        page.Axe().ShouldBeEmpty();
        page.Go("/");
        page.Click("Saltmarsh End");
        page.See("Answer in US customary");
        page.Axe().ShouldBeEmpty();
    }
}
