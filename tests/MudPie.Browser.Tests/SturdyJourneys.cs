using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using MudPie.Records;

namespace MudPie.Browser.Tests;

/// <summary>What goes wrong around the page: another window, another program on the file, another holding at the address. Each is said, and
/// nothing typed is lost.</summary>
public class SturdyJourneys
{
    private static T Asked<T>(Page page, Func<HoldingDb, T> ask)
    {
        using var scope = page.Services.CreateScope();
        return ask(scope.ServiceProvider.GetRequiredService<HoldingDb>());
    }

    private static void Note(Page page, string text)
    {
        page.Click("Note it");
        page.Fill("Say it in a few words", text);
        page.See("Understood:");
        page.Click("Record it");
    }

    [Fact]
    public void Two_windows_on_one_pump_are_told_with_both()
    {
        using var page = new Page(demo: true);
        void Change()
        {
            page.Go("/ground");
            page.Click("Bucket pump");
            page.Unfold("Change Bucket pump");
        }

        Change();
        page.Fill("Open flow, on the box", "9 L/min");
        Asked(page, db =>
        {
            db.Pumps.Single(p => p.Name == "Bucket pump").OpenLpm = 11; // the other window
            return db.SaveChanges();
        });
        page.Click("Keep it");
        page.See("Somebody else changed this while you had it open.");
        page.See("Its open flow is now “11 L/min”, you had “9 L/min”.");
        page.Holds("Open flow, on the box", "9 L/min");
        Asked(page, db => db.Pumps.Single(p => p.Name == "Bucket pump").OpenLpm).ShouldBe(11);
        Change();
        page.Fill("Open flow, on the box", "9 L/min");
        page.Click("Keep it");
        page.See("What is used up stands on the"); // kept, and the form is put away
        page.Click("Bucket pump");
        page.See("9 L/min");
        page.Until(() => Asked(page, db => db.Pumps.Single(p => p.Name == "Bucket pump").OpenLpm) == 9,
            "the pump as it was changed at last");
    }

    [Fact]
    public void A_file_that_another_program_holds_is_said_and_the_note_kept_once_it_lets_go()
    {
        using var page = new Page(demo: true, 390, 844);
        page.Go("/");
        var file = Asked(page, db => db.Database.GetConnectionString()!);
        using (var other = new SqliteConnection(new SqliteConnectionStringBuilder(file) { Pooling = false }.ToString()))
        {
            other.Open();
            using var held = other.BeginTransaction(deferred: false);
            Note(page, "note a hare in ridge bed 4");
            page.See("Another program holds the holding's file.");
            page.Holds("Say it in a few words", "note a hare in ridge bed 4");
        }

        page.Click("Record it");
        page.Find("//a[normalize-space()='see it']");
        Asked(page, db => db.Observations.Count(o => o.Text.Contains("a hare"))).ShouldBe(1);
    }

    [Fact]
    public void Another_holding_at_the_same_address_takes_nothing_that_was_not_meant_for_it()
    {
        using var page = new Page(demo: true);
        page.Go("/");
        page.See("Wants hands");
        var own = Asked(page, db => db.Holdings.AsNoTracking().Single().Own);
        void Become(Guid which) => Asked(page, db => db.Database.ExecuteSql($"UPDATE Holdings SET Own = {which}"));
        Become(Guid.NewGuid()); // as if another file were served here now
        Note(page, "note a hare in ridge bed 4");
        page.See("Another holding is served at this address now.");
        page.Holds("Say it in a few words", "note a hare in ridge bed 4");
        Asked(page, db => db.Observations.Count(o => o.Text.Contains("a hare"))).ShouldBe(0);
        Become(own);
        page.Click("Record it");
        page.Find("//a[normalize-space()='see it']");
        Asked(page, db => db.Observations.Count(o => o.Text.Contains("a hare"))).ShouldBe(1);
    }
}
