namespace MudPie.Browser.Tests;

/// <summary>A co-operative's box: whoever keeps it at one browser, a grower at another.</summary>
public class BoxJourneys
{
    private const string Password = "nine grey geese in a row";
    private const string CodePath = "//div[@role='status']//b[contains(@class, 'text-4xl')]";

    private static string At(Page page, string holding, string path) => $"http://{holding}.localhost:{page.Address.Port}{path}";

    [Fact]
    public void Holdings_are_made_come_to_put_away_and_brought_back_while_the_box_runs()
    {
        using var desk = new Page(demo: true, box: true);
        desk.Go($"http://localhost:{desk.Address.Port}/");
        desk.See("A box for several holdings");
        desk.Axe().ShouldBeEmpty("a box that nobody keeps yet");
        desk.Fill("Password", Password);
        desk.Fill("The same again", Password);
        desk.Click("Make it");
        desk.See("Holdings on this box");
        desk.See("north-field"); // its file was laid into the folder
        desk.Fill("Its name in the address", "South Field");
        desk.Fill("What its first owner is called", "the grower");
        desk.Click("Make it");
        desk.See("its name is part of an address");
        desk.Fill("Its name in the address", "south-field");
        desk.Click("Make it");
        var code = desk.Says(CodePath);
        desk.See(At(desk, "south-field", "/join#" + code));
        desk.See("1 person, not set up yet");
        desk.Axe().ShouldBeEmpty("a box, with a code");

        using var phone = new Page(desk, 390, 844);
        phone.Go(At(desk, "south-field", "/join#" + code));
        phone.See("I come to another holding of this box already");
        phone.Axe().ShouldBeEmpty("joining a holding of a box");
        phone.Click("Join");
        phone.See("What will you make first?");

        // an owner of the other one, whose file came without people
        desk.Click("Done");
        desk.Press("//ul[@aria-label='All holdings']//button[contains(., 'north-field')]");
        desk.Fill("What they are called there", "the other grower");
        desk.Fill("Your password, again", Password);
        desk.Click("Make a code");
        var other = desk.Says(CodePath);
        phone.Go(At(desk, "north-field", "/join#" + other));
        phone.Click("Join");
        phone.See("Wants hands");
        phone.Go(At(desk, "south-field", "/"));
        phone.See("What will you make first?"); // and is still let in there

        desk.Press("//ul[@aria-label='All holdings']//button[contains(., 'south-field')]");
        desk.Click("Put it away");
        desk.Press("//button[.='Yes, put south-field away']");
        desk.See("put away; ");
        phone.Again();
        phone.See("There is no holding of that name here.");
        desk.Press("//ul[@aria-label='All holdings']//button[contains(., 'south-field')]");
        desk.Axe().ShouldBeEmpty("a holding that is put away");
        desk.Click("Bring it back");
        desk.SeeNot("put away; ");
        phone.Again();
        phone.See("What will you make first?");
        desk.Click("Who keeps the box");
        desk.See("the keeper put the holding south-field away.");
        desk.Axe().ShouldBeEmpty("who keeps the box");
    }

    /// <summary>Two holdings of a box: the demo's at a desk, and a new one on a phone.</summary>
    private static void Open(Page desk, Page hill)
    {
        desk.Go($"http://localhost:{desk.Address.Port}/");
        desk.Fill("Password", Password);
        desk.Fill("The same again", Password);
        desk.Click("Make it");
        desk.See("north-field");
        desk.Fill("Its name in the address", "hill-garden");
        desk.Fill("What its first owner is called", "Anna");
        desk.Click("Make it");
        hill.Go(At(desk, "hill-garden", "/join#" + desk.Says(CodePath)));
        hill.Click("Join");
        hill.See("What will you make first?");
        hill.Asked("/api/holding/setup", """
            {"name":"Hill Garden","place":"52.5, 0.0","altitude":"6 m","zone":"Europe/London","units":"metric","bedName":"Ridge",
             "area":"200 m²","crop":"fennel","growing":"annual","shape":"bucket","total":"20 L","depth":"28 cm","openFlow":"6 L/min",
             "shutOff":"20 kPa","diffuserKind":"airStone","waterKind":"mains","strip":"0.6"}
            """);
        desk.Click("Done");
        desk.Press("//ul[@aria-label='All holdings']//button[contains(., 'north-field')]");
        desk.Fill("What they are called there", "Ben");
        desk.Fill("Your password, again", Password);
        desk.Click("Make a code");
        desk.Go(At(desk, "north-field", "/join#" + desk.Says(CodePath)));
        desk.Click("Join");
        desk.See("Wants hands");
    }

    [Fact]
    public void A_booked_barrel_is_handed_over_clean_and_its_card_goes_along()
    {
        using var desk = new Page(demo: true, box: true);
        using var hill = new Page(desk, 390, 844);
        Open(desk, hill);
        desk.Go(At(desk, "north-field", "/brew"));
        desk.Click("shared vessels");
        desk.See("Nobody shares a vessel yet.");
        desk.Axe().ShouldBeEmpty("nothing shared yet");
        desk.Press("//button[@role='radio'][contains(., 'the Cone')]");
        desk.Click("Share it");
        desk.See("It is here.");

        hill.Go(At(desk, "hill-garden", "/brew/shared"));
        hill.See("whose it is.");
        hill.Press("//button[@aria-controls='slate'][@aria-expanded='false']");
        hill.Fill("Fetched at", "2026-06-11 08:00");
        hill.Fill("Handed on at", "2026-06-11 07:00");
        hill.Click("Book it");
        hill.See("It ends before it begins.");
        hill.Fill("Handed on at", "2026-06-13 18:00");
        hill.Click("Book it");
        hill.See("call off");
        hill.Axe().ShouldBeEmpty("a booked vessel, on a phone");

        // the other page hears of it by itself; it is handed over once it is clean
        desk.See("Empty and clean first");
        desk.Press("//section[@aria-label='Hand it over']//a[.='clean up']");
        foreach (var step in new[] { "Rinse", "Walls", "Hose and outlets", "Bag and mesh", "Dry" })
        {
            desk.Press($"//button[@aria-label='done: {step}, the Cone']");
            desk.See($"//section[@aria-label='the Cone']", step == "Dry" ? "Clean." : "left.");
        }

        desk.Go(At(desk, "north-field", "/brew/shared"));
        desk.See("To whom");
        desk.Fill("Signed", "Ben of the north");
        desk.Press("//section[@aria-label='Hand it over']//button[@type='submit']");
        desk.See("not received yet");
        hill.See("How did it come?");
        hill.Press("//form[@aria-label='Received']//button[@type='submit']");
        hill.See("It was not said whether it came clean.");
        hill.Press("//button[@role='radio'][contains(., 'not clean')]");
        hill.Fill("What was found", "slime under the rim");
        hill.Press("//form[@aria-label='Received']//button[@type='submit']");
        hill.See("It came from another holding, and not clean");
        hill.See("signed Ben of the north.");
        hill.Axe().ShouldBeEmpty("a vessel that came, on a phone");
        desk.See("slime under the rim");

        // counted there, and its card says so here
        hill.Click("Count before and after its pump");
        hill.Fill("Before, one number a field", "16 14 19 15");
        hill.Fill("After", "4 3 5 4");
        hill.Click("Keep on its card");
        desk.See("it breaks them");
        desk.Axe().ShouldBeEmpty("a vessel that is lent");
    }

    [Fact]
    public void A_protocol_is_offered_under_the_roof_joined_with_fewer_arms_and_its_results_are_put_together()
    {
        using var desk = new Page(demo: true, box: true);
        using var hill = new Page(desk, 390, 844);
        Open(desk, hill);
        desk.Go(At(desk, "north-field", "/judge/together"));
        desk.See("Over 3 gardens the difference is");
        desk.See("Gorse Hill, garlic, last season");
        desk.Press("//button[contains(., 'by the difference')]");
        desk.See("kg a metre, ");
        desk.Axe().ShouldBeEmpty("gardens together");
        desk.Press("//button[@role='checkbox'][@aria-label='Under this roof']");
        desk.Find("//button[@role='checkbox'][@aria-label='Under this roof'][@aria-checked='true']");

        hill.Go(At(desk, "hill-garden", "/judge/together"));
        hill.Click("Look at it");
        hill.See("No garden has sent a result of it yet.");
        hill.Press("//button[@aria-controls='slate'][@aria-expanded='false']");
        hill.Press("//button[@role='checkbox'][@aria-label='water only']");
        hill.Axe().ShouldBeEmpty("a protocol, on a phone");
        hill.Click("Plan it here");
        hill.See("was left out.");
        hill.Go(At(desk, "hill-garden", "/judge/together"));
        hill.Press("//button[@aria-controls='slate'][@aria-expanded='false']");
        hill.Press("//button[@role='checkbox'][@aria-label='nothing']");
        hill.Click("Plan it here");
        hill.See("By a protocol");
        hill.Click("Keep this plan");
        hill.See("Planned. Draw the layout next.");
        hill.Click("Draw the layout by lot");
        hill.Click("It is set out: begin");
        hill.See("Measure, plot by plot");
        Measure(hill);
        hill.Click("Open the codes");
        hill.Click("the other gardens");
        hill.Press("//button[@aria-controls='slate'][@aria-expanded='false']");
        hill.Click("Give it to the others here");
        hill.See("take it back");

        // the other page hears of it by itself
        desk.See("Over 4 gardens the difference is");
        desk.See("Hill Garden, fennel");
        desk.Axe().ShouldBeEmpty("four gardens together");
    }

    /// <summary>A figure on each plot of the only trial: blind, as its codes say nothing.</summary>
    internal static void Measure(Page page) => page.Driver.ExecuteAsyncScript("""
        const done = arguments[0];
        const say = (path, body) => fetch(path, { method: "POST", body: JSON.stringify(body),
          headers: { "Content-Type": "application/json", "Idempotency-Key": crypto.randomUUID() } });
        (async () => {
          const id = location.pathname.split("/").pop();
          const trial = await (await fetch(`/api/judge/trials/${id}`)).json();
          for (const [i, plot] of trial.plots.entries())
            await say(`/api/judge/trials/${id}/readings`,
              { plotId: plot.id, measureId: trial.measures[0].id, value: String(2 + (i % 3) * 0.1 + (i % 2) * 0.05) });
          location.reload();
        })().then(done);
        """);
}
