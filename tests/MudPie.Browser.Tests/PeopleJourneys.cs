using Microsoft.Extensions.DependencyInjection;
using MudPie.Records;
using OpenQA.Selenium.VirtualAuth;

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
        phone.See("It stays joined until the owner strikes it off, or you do.");
        desk.Go("/keep/people");
        desk.Press("//button[contains(., \"Wren's phone\")]");
        desk.Click("Strike it off");
        desk.See("the owner struck off Wren's phone (Wren).");
        phone.Again();
        phone.See("This device was struck off.");

        // to make an owner the owner's open page is not enough
        desk.Press("//button[contains(., 'Wren')][contains(., 'reads and writes')]");
        desk.Press("//button[@role='radio'][contains(., 'owner')]");
        desk.See("Becomes owner");
        desk.Axe().ShouldBeEmpty("the password again");
        desk.Fill("Your password, again", "not this one at all");
        desk.Click("Yes");
        desk.See("That is not the password.");
        desk.Fill("Your password, again", Password);
        desk.Click("Yes");
        desk.See("the owner changed what they may: Wren: owner.");
    }

    [Fact]
    public void A_passkey_is_added_with_the_password_asked_again_comes_in_and_is_taken_away()
    {
        using var desk = new Page(demo: true);
        desk.Go($"http://localhost:{desk.Address.Port}/keep/people"); // a bare number has none
        var key = desk.Driver.AddVirtualAuthenticator(new VirtualAuthenticatorOptions().SetProtocol("ctap2").SetTransport("internal")
            .SetHasResidentKey(true).SetHasUserVerification(true).SetIsUserVerified(true));
        desk.Fill("Password", Password);
        desk.Fill("The same again", Password);
        desk.Click("Make it");
        desk.See("What happened at the door");
        desk.Press("//button[contains(., '(you)')]");
        desk.Fill("Called", "this desk");
        desk.Fill("Your password, again", "not this one at all");
        desk.Click("Add a passkey");
        desk.See("That is not the password.");
        desk.Fill("Your password, again", Password);
        desk.Click("Add a passkey");
        desk.See("the owner added a passkey.");
        desk.Axe().ShouldBeEmpty("people, with a passkey");

        desk.Driver.Manage().Cookies.DeleteAllCookies();
        desk.Again();
        desk.See("Sign in first.");
        desk.Axe("[role=dialog]").ShouldBeEmpty("signing in, by a passkey too");
        desk.Click("Come in by a passkey");
        desk.See("What happened at the door");
        desk.Press("//button[contains(., '(you)')]");
        desk.Press("//button[@aria-label='take away: this desk']");
        desk.See("the owner took a passkey away.");
        desk.Driver.Manage().Cookies.DeleteAllCookies();
        desk.Again();
        desk.Click("Come in by a passkey");
        desk.See("That passkey is not known here.");
        desk.Driver.RemoveVirtualAuthenticator(key); // the browser is lent to the next journey
    }

    [Fact]
    public void A_phone_whose_clock_is_wrong_by_a_day_reads_and_writes_with_nobody_there_and_of_two_who_changed_one_bed_it_shows_both()
    {
        using var desk = new Page(demo: true);
        using var phone = Wrens(desk, TimeSpan.FromDays(1));

        desk.Silent = true;
        phone.Go("/look/walk"); // where it never was
        phone.See("spring and autumn round");
        phone.See("Mud Pie does not answer.");
        phone.Go("/brew/14");
        phone.See("Read it");
        phone.Go("/ground");
        phone.Click("Ridge Bed 3");
        phone.Press("//button[@aria-controls='slate'][@aria-expanded='false']");
        phone.Unfold("Change Ridge Bed 3");
        phone.Fill("Crop", "onions");
        phone.Click("Keep it");
        phone.See("1 entry waits on this device.");
        phone.Fail("/api/ground/beds", "gone"); // until the other has written
        desk.Silent = false;
        desk.Go("/ground");
        desk.Click("Ridge Bed 3");
        desk.Unfold("Change Ridge Bed 3");
        desk.Fill("Crop", "leeks");
        desk.Click("Keep it");
        desk.See("leeks");
        phone.LetGo();
        phone.Driver.ExecuteScript("window.dispatchEvent(new Event('online'))");
        phone.See("1 entry was not taken.");
        phone.Click("what waits");
        phone.See("Two changed this: Ridge Bed 3: crop onions");
        phone.See("//table", "leeks");
        phone.See("//table", "by the owner");
        phone.Axe().ShouldBeEmpty("what waits, with a clash");
        phone.Click("both, as a note");
        phone.See("1 entry");
        phone.See("Nothing waits.");
        phone.See("differs from this device’s by 24 h");
        using var scope = desk.Services.CreateScope();
        var kept = scope.ServiceProvider.GetRequiredService<HoldingDb>().Observations.Single(o => o.Text.Contains("crop onions"));
        kept.At.ShouldBeInRange(Page.Begins.AddMinutes(-1), Page.Begins.AddHours(6), "by the server's clock");
    }

    [Fact]
    public async Task A_week_without_a_signal_is_kept_through_seven_mornings_and_sent_in_order_each_once_with_its_own_hour()
    {
        using var desk = new Page(demo: true);
        using var phone = Wrens(desk);

        desk.Silent = true;
        for (var morning = 1; morning <= 7; morning++)
        {
            phone.Later(TimeSpan.FromDays(1));
            phone.Go("/"); // opened anew, with nobody there
            phone.Click("Note it");
            phone.Fill("Say it in a few words", $"note a heron on morning {morning}");
            phone.See("No signal: it is kept on this device as you said it");
            phone.Click("Record it");
            phone.See("Kept on this device; sent when Mud Pie answers.");
            phone.Click("Close");
            phone.See(morning == 1 ? "1 entry waits on this device." : $"{morning} entries wait on this device.");
        }

        phone.Go("/waiting");
        phone.See("a heron on morning 7");
        phone.Axe().ShouldBeEmpty("a week that waits");
        desk.Later(TimeSpan.FromDays(7));
        desk.Silent = false;
        phone.Click("Send now");
        phone.See("Nothing waits.");
        phone.See("7 entries");
        using var scope = desk.Services.CreateScope();
        var db = scope.ServiceProvider.GetRequiredService<HoldingDb>();
        var kept = db.Observations.Where(o => o.Text.Contains("a heron on morning")).OrderBy(o => o.Id)
            .Select(o => new { o.Id, o.Text, o.At }).ToList();
        kept.Select(o => o.Text[^1]).ShouldBe("1234567");
        foreach (var (o, day) in kept.Select((o, i) => (o, i + 1)))
        {
            o.At.ShouldBeInRange(Page.Begins.AddDays(day).AddMinutes(-1), Page.Begins.AddDays(day).AddHours(6), o.Text);
        }

        var deeds = await db.Wrote(db.Observations.Where(o => o.Text.Contains("a heron on morning")));
        deeds.Values.ShouldAllBe(d => d.By == "Wren" && d.At > Page.Begins.AddDays(7).AddMinutes(-1), "each with the hour it was received");
        deeds.Count.ShouldBe(7);
    }

    [Fact]
    public void A_copy_is_made_by_hand_and_put_back_with_what_that_means_said_first()
    {
        using var page = new Page(demo: true);
        page.Go("/keep/people");
        page.See("There is no copy, and none is made at night here.");
        page.Click("Copy now");
        page.See("The last copy is of today.");
        page.Go("/");
        page.See("Wants hands");
        page.Key("n");
        page.Fill("Say it in a few words", "note a hare in ridge bed 4");
        page.See("Understood:");
        page.Click("Record it");
        page.Find("//a[normalize-space()='see it']");
        page.Go("/keep/people");
        page.Press("//li[contains(., 'by hand')]//button");
        page.See("One write was made after it.");
        page.Axe("[role=dialog]").ShouldBeEmpty("putting a copy back");
        page.Click("Put it back");
        page.See("It is put back.");
        page.See("what stood here before a copy was put back");
        page.Axe().ShouldBeEmpty("people and copies");
        page.Go("/book?kind=seen");
        page.See("Seen");
        page.SeeNot("a hare");
    }

    /// <summary>A hand's phone that has joined, and carries what is read in a field.</summary>
    private static Page Wrens(Page desk, TimeSpan wrongBy = default)
    {
        Own(desk);
        desk.Fill("What they are called", "Wren");
        desk.Click("Make a code");
        var code = desk.Says("//div[@role='status']//b[contains(@class, 'text-4xl')]");
        var phone = new Page(desk, 390, 844, worker: true, wrongBy: wrongBy);
        phone.Go("/join#" + code);
        phone.Holds("Code", code);
        phone.Click("Join");
        phone.See("Wants hands");
        phone.Until(() => phone.Driver.ExecuteScript("return localStorage.getItem('mud-pie-carried')") is string,
            "the field to be carried");
        return phone;
    }

    private static void Own(Page desk)
    {
        desk.Go("/keep/people");
        desk.Fill("Password", Password);
        desk.Fill("The same again", Password);
        desk.Click("Make it");
        desk.See("What happened at the door");
    }

    [Fact]
    public void A_sitting_signs_out_and_in_again_by_the_password()
    {
        using var desk = new Page(demo: true);
        Own(desk);
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
