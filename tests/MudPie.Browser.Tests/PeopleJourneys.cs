namespace MudPie.Browser.Tests;

/// <summary>The yard is let in: two browsers at one server.</summary>
public class PeopleJourneys
{
    private const string Password = "seven wet boots on a gate";

    [Fact]
    public void A_phone_joins_by_a_code_what_it_writes_is_seen_at_once_and_it_is_struck_off()
    {
        using var desk = new Page(demo: true);
        desk.Go("/keep/people");
        desk.Fill("Password", "short");
        desk.Fill("The same again", "short");
        desk.Click("Make it");
        desk.See("That password is too short.");
        desk.Fill("Password", Password);
        desk.Fill("The same again", Password);
        desk.Click("Make it");
        desk.See("What happened at the door");
        desk.See("the owner became owner.");
        desk.Fill("What they are called", "Wren");
        desk.Click("Make a code");
        var code = desk.Says("//div[@role='status']//b[contains(@class, 'text-4xl')]");
        desk.Axe().ShouldBeEmpty("people, with a code");

        using var phone = new Page(desk, 390, 844);
        phone.Go("/");
        phone.See("Sign in first.");
        phone.Axe("[role=dialog]").ShouldBeEmpty("signing in");
        phone.Go("/join#" + code);
        phone.Holds("Code", code);
        phone.Fill("What this phone is called", "Wren's phone");
        phone.Click("Join");
        phone.See("Wants hands");

        // both look at one brew: neither loads the page again
        desk.Go("/brew/14");
        desk.See("Read it");
        phone.Go("/");
        phone.Click("Read it");
        phone.See("oxygen, mg/L");
        foreach (var key in "6.9")
        {
            phone.Key(key);
        }

        phone.Click("Keep it");
        desk.See("by Wren");

        phone.Go("/keep/people");
        phone.See("It stays joined until the owner strikes it off.");
        desk.Go("/keep/people");
        desk.Press("//button[contains(., \"Wren's phone\")]");
        desk.Click("Strike it off");
        desk.See("the owner struck off Wren's phone (Wren).");
        phone.Again();
        phone.See("This device was struck off.");
    }

    [Fact]
    public void A_sitting_signs_out_and_in_again_by_the_password()
    {
        using var desk = new Page(demo: true);
        desk.Go("/keep/people");
        desk.Fill("Password", Password);
        desk.Fill("The same again", Password);
        desk.Click("Make it");
        desk.See("What happened at the door");
        desk.Click("Saltmarsh End");
        desk.Click("Sign out: the owner");
        desk.See("Sign in first.");
        desk.Click("a password");
        desk.Fill("Your name here", "the owner");
        desk.Fill("Password", Password);
        desk.Click("Come in");
        desk.See("Wants hands");
        desk.Go("/keep/people");
        desk.See("the owner signed in.");
    }
}
