namespace MudPie.Browser.Tests;

/// <summary>Makes docs/screenshots from the demo data: ./mudpie shots.</summary>
public class Shots
{
    private static readonly (string File, string Path, string Sign, int Width, int Height, string Light)[] Views =
    [
        ("today", "/", "is sliding", 1280, 800, "day"),
        ("yard", "/make", "as it stands now", 1280, 800, "day"),
        ("look", "/look?bed=5", "Read its leaves", 1280, 800, "day"),
        ("plan", "/brew/plan", "Backwards from there", 1280, 800, "day"),
        ("live-brew", "/brew/14", "What would hold it", 1280, 800, "day"),
        ("windows", "/put-out/windows", "windows ahead", 1280, 800, "day"),
        ("put-out", "/put-out", "If it were otherwise", 1280, 800, "day"),
        ("tank", "/put-out/14", "What each bed gets", 1280, 800, "day"),
        ("shelf", "/shelf?input=13", "Lot RB-24", 1280, 800, "day"),
        ("book", "/book", "begun in the Barrel", 1280, 800, "day"),
        ("trial", "/judge/trials/1", "To settle it", 1280, 800, "day"),
        ("mix", "/make/mix/2", "Charge the char", 1280, 800, "day"),
        ("peg", "/look/pegs/1", "Against this peg", 1280, 800, "day"),
        ("almanac", "/keep/almanac", "Sky today", 1280, 800, "day"),
        ("sheet", "/make/sheet/5", "Why not more", 1280, 800, "day"),
        ("reckoning", "/judge/reckoning", "worth finding out", 1280, 800, "day"),
        ("leaves", "/look/leaves/10", "look at potassium", 1280, 800, "day"),
        ("phone-walk", "/look/walk/1", "Roots", 390, 844, "day"),
        ("phone-night-check", "/brew/14?read=oxygen#read", "Read it", 390, 844, "night"),
    ];

    [Fact(Explicit = true)]
    public void Take()
    {
        var folder = Environment.GetEnvironmentVariable("MUDPIE_SHOTS") ?? Path.Combine(Page.Root(), "docs", "screenshots");
        Directory.CreateDirectory(folder);
        using var page = new Page(demo: true, probe: true, weather: true);
        page.Go("/");
        foreach (var view in Views)
        {
            page.Size(view.Width, view.Height);
            page.Driver.ExecuteScript($"localStorage.setItem('light', '{view.Light}')");
            page.Go(view.Path);
            page.See(view.Sign);
            page.Until(() => page.Driver.FindElements(OpenQA.Selenium.By.CssSelector("[aria-busy=true]")).Count == 0,
                "all of it to be there");
            if (view.Path.StartsWith("/brew/plan", StringComparison.Ordinal))
            {
                page.Click("Creek Field");
                page.Click("Ridge Bed 4");
                page.Click("Ridge Bed 5");
                page.Click("Ridge Bed 6");
                page.See("First draw: put it out");
                page.Driver.ExecuteScript("window.scrollTo(0, 0)");
            }

            if (view.Path.EndsWith("#read", StringComparison.Ordinal))
            {
                page.Driver.ExecuteScript("document.querySelector('[aria-label=\"Read it\"]').scrollIntoView({block:'start'})");
                foreach (var key in "6.4")
                {
                    page.Key(key);
                }
            }

            page.Driver.ExecuteAsyncScript("document.fonts.ready.then(() => setTimeout(arguments[0], 400))");
            page.Driver.GetScreenshot().SaveAsFile(Path.Combine(folder, view.File + ".png"));
        }
    }
}
