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
}
