using MudPie.Core.Sharing;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.Sharing;

/// <summary>A vessel that several share: no two at once, and handed on clean.</summary>
public sealed class BookingsTests
{
    private static readonly DateTimeOffset Now = new(2026, 6, 10, 5, 0, 0, TimeSpan.Zero);
    private static readonly Booked Hill = new(1, "hill", "Hill Garden", At(12, 8), At(14, 18));

    private static DateTimeOffset At(int day, int hour) => new(2026, 6, day, hour, 0, 0, TimeSpan.Zero);

    private static Ruling<Booked> Book(DateTimeOffset? from, DateTimeOffset? until, params Booked[] standing) =>
        Bookings.Book("pond", "Pond Field", from, until, standing, Now, at => at);

    [Fact]
    public void One_begins_when_another_ends_and_no_sooner()
    {
        Book(At(14, 18), At(15, 8), Hill).Value.ShouldBe(new Booked(0, "pond", "Pond Field", At(14, 18), At(15, 8)));
        Book(At(10, 8), At(12, 8), Hill).Refused.ShouldBeNull();
        var refused = Book(At(14, 17), At(15, 8), Hill).Refused!.Problems.Single();
        refused.Field.ShouldBe("from");
        refused.Wrong.ShouldBe("Hill Garden has it from 12 Jun 08:00 to 14 Jun 18:00.");
        refused.WayOut.ShouldBe("It is free for as long from 14 Jun 18:00.");
        Book(At(11, 8), At(16, 8), Hill).Refused.ShouldNotBeNull("around it");
        Book(At(13, 8), At(13, 10), Hill).Refused.ShouldNotBeNull("within it");
    }

    [Fact]
    public void What_is_accepted_never_meets_what_stands()
    {
        var dice = new SeededRandom(14);
        var standing = new List<Booked>();
        for (var i = 0; i < 3000; i++)
        {
            var from = Now.AddHours(dice.Below(2000));
            var asked = Bookings.Book($"h{i}", "", from, from.AddHours(1 + dice.Below(59)), standing, Now, at => at);
            if (asked.Refused is null)
            {
                standing.ShouldNotContain(b => b.From < asked.Value.Until && asked.Value.From < b.Until);
                standing.Add(asked.Value with { Id = i });
            }
            else
            {
                var free = Bookings.FreeFrom(from, TimeSpan.FromHours(5), standing);
                Bookings.Book($"h{i}", "", free, free.AddHours(5), standing, Now, at => at).Refused.ShouldBeNull("it was said to be free");
            }
        }

        standing.Count.ShouldBeGreaterThan(40);
    }

    [Fact]
    public void Free_is_the_first_gap_that_is_long_enough()
    {
        Booked[] standing = [new(2, "b", "B", At(10, 11), At(10, 12)), new(1, "a", "A", At(10, 8), At(10, 10))];
        Bookings.FreeFrom(At(10, 9), TimeSpan.FromHours(2), standing).ShouldBe(At(10, 12));
        Bookings.FreeFrom(At(10, 9), TimeSpan.FromHours(1), standing).ShouldBe(At(10, 10));
        Bookings.FreeFrom(At(10, 6), TimeSpan.FromHours(2), standing).ShouldBe(At(10, 6));
    }

    [Fact]
    public void Times_that_can_not_be_are_refused_by_name()
    {
        string[] Fields(DateTimeOffset? from, DateTimeOffset? until) => [.. Book(from, until).Refused!.Problems.Select(p => p.Field)];
        Fields(null, null).ShouldBe(["from", "until"]);
        Fields(At(9, 8), At(11, 8)).ShouldBe(["from"]);
        Fields(Now.AddDays(367), Now.AddDays(368)).ShouldBe(["from"]);
        Fields(At(12, 8), At(12, 8)).ShouldBe(["until"]);
        Fields(At(12, 8), At(12, 8).AddMinutes(59)).ShouldBe(["until"]);
        Fields(At(12, 8), At(12, 8).AddDays(28).AddSeconds(1)).ShouldBe(["until"]);
        Fields(At(12, 8), DateTimeOffset.MaxValue).ShouldBe(["until"]);
        Book(Now.AddMinutes(-5), Now.AddMinutes(55)).Refused.ShouldBeNull("clocks differ");
        Book(At(12, 8), At(12, 8).AddDays(28)).Refused.ShouldBeNull();
    }

    [Fact]
    public void Nobody_books_a_season_away()
    {
        Booked[] Own(int many) => [.. Enumerable.Range(0, many).Select(i => new Booked(i, "pond", "Pond Field", Now.AddDays(i),
            Now.AddDays(i).AddHours(2)))];
        Book(At(30, 8), At(30, 9), Own(5)).Refused.ShouldBeNull();
        Book(At(30, 8), At(30, 9), Own(6)).Refused!.Problems.Single().Wrong.ShouldContain("6 times ahead");
        Book(At(30, 8), At(30, 9), [.. Own(5), Hill]).Refused.ShouldBeNull("another’s do not count");
    }

    [Fact]
    public void It_goes_to_whoever_comes_next()
    {
        var pond = new Booked(2, "pond", "Pond Field", At(15, 8), At(16, 8));
        Bookings.Next("owner", [pond, Hill], Now).ShouldBe(Hill);
        Bookings.Next("hill", [pond, Hill], Now).ShouldBe(pond);
        Bookings.Next("pond", [pond], Now).ShouldBeNull();
        Bookings.Next("owner", [Hill], At(15, 0)).ShouldBeNull("it is over");
    }

    private static readonly string[] All = ["rinse", "walls", "air", "bag", "dry"];

    private static VesselAsKept Kept(DateTimeOffset? used, bool inUse, params (string Step, int Hour)[] done) =>
        new(used, inUse, [.. done.Select(d => new CleanedStep(d.Step, At(10, d.Hour)))]);

    [Fact]
    public void It_is_handed_on_clean_or_not_at_all()
    {
        var half = HandingOver.Give(Kept(At(10, 6), false, ("rinse", 7), ("walls", 8), ("dry", 5)), "Anna").Refused!.Problems.Single();
        half.Field.ShouldBe("vessel");
        half.Wrong.ShouldBe("It is not logged clean: Hose and outlets, Bag and mesh and Dry are left.");
        var whole = HandingOver.Give(Kept(At(10, 6), false, [.. All.Select((s, i) => (s, 7 + i)), ("rinse", 15)]), "Anna").Value;
        whole.Select(s => s.Step).ShouldBe(All);
        whole[0].At.ShouldBe(At(10, 15), "the last time counts");
        HandingOver.Give(Kept(At(10, 6), true, [.. All.Select(s => (s, 7))]), "Anna").Refused!.Problems.Single().Wrong
            .ShouldBe("A brew is in it.");
        HandingOver.Give(Kept(null, false), "Anna").Value.ShouldBeEmpty();
        HandingOver.Give(Kept(At(10, 6), false), " ").Refused!.Problems.Select(p => p.Field).ShouldBe(["signed", "vessel"]);
    }

    [Fact]
    public void Whoever_gets_it_says_how_it_came()
    {
        HandingOver.Receive(true, " ").Value.ShouldBe(new FoundSo(true, null));
        HandingOver.Receive(false, " slime under the rim ").Value.ShouldBe(new FoundSo(false, "slime under the rim"));
        HandingOver.Receive(false, "ah").Refused!.Problems.Single().Field.ShouldBe("what");
        HandingOver.Receive(null, null).Refused!.Problems.Single().Field.ShouldBe("clean");
        HandingOver.Receive(true, new string('x', 201)).Refused!.Problems.Single().Field.ShouldBe("what");
    }

    [Fact]
    public void Where_a_vessel_is_looks_otherwise_from_either_end()
    {
        string[] holdings = ["north", "south", "east"];
        Whereabouts[] Seen(Went? last) => [.. holdings.Select(h => VesselPlace.Of("north", last, h))];
        Seen(null).ShouldBe([Whereabouts.Here, Whereabouts.Elsewhere, Whereabouts.Elsewhere]);
        Seen(new("north", "south", false)).ShouldBe([Whereabouts.Going, Whereabouts.Coming, Whereabouts.Elsewhere]);
        Seen(new("north", "south", true)).ShouldBe([Whereabouts.Elsewhere, Whereabouts.Here, Whereabouts.Elsewhere]);
        VesselPlace.Has("north", new("north", "south", false)).ShouldBeNull();
    }

    [Fact]
    public void It_goes_to_whose_turn_it_is_and_home()
    {
        Booked[] booked = [Hill, new(2, "east", "East Field", At(11, 8), At(11, 18)), new(3, "hill", "Hill Garden", At(20, 8), At(21, 8)),
            new(4, "pond", "Pond Field", At(8, 8), At(9, 8))];
        VesselPlace.Next("north", "North Field", "pond", booked, Now).Select(h => h.Holding).ShouldBe(["east", "hill", "north"]);
        VesselPlace.Next("north", "North Field", "hill", booked, Now).Select(h => h.From).ShouldBe([At(11, 8), null]);
        VesselPlace.Next("north", "North Field", "north", [], Now).ShouldBeEmpty("it is at home");
    }
}
