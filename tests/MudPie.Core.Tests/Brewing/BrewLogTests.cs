using MudPie.Core.Brewing;

namespace MudPie.Core.Tests.Brewing;

public class BrewLogTests
{
    private static readonly DateTimeOffset Start = new(2026, 6, 10, 6, 0, 0, TimeSpan.Zero);

    private static BrewEntry At(double h, LogKind kind, double? number = null, string? text = null) =>
        new(kind, Start.AddHours(h), number, text);

    private static ProbePoint Point(double h, double mg, int readings = 5) => new(h, mg, mg, mg, 19, readings);

    [Fact]
    public void What_it_was_fed_and_the_air_it_was_given_on_the_way_belong_to_the_brew()
    {
        var brew = BrewLog.AsBrewed(new BrewQuestion { Foods = [new FoodAmount { Kind = "kelp", Ml = 20 }] },
            [At(3, LogKind.Fed, 10, "molasses"), At(5, LogKind.AirTo, 40), At(-0.5, LogKind.AirTo, 30)], Start);
        brew.Foods!.Select(f => (f.Kind, f.Ml, f.AtH)).ShouldBe([("kelp", 20.0, null), ("molasses", 10.0, 3.0)]);
        brew.AirChanges!.Select(a => (a.AtH, a.AirLpm)).ShouldBe([(5.0, 40.0), (0.0, 30.0)]);
    }

    [Fact]
    public void What_was_seen_before_the_start_is_of_another_brew_but_a_minute_is_nothing()
    {
        var seen = BrewLog.Of([At(-1, LogKind.Oxygen, 3), At(-0.01, LogKind.Oxygen, 8.8), At(4, LogKind.Oxygen, 7.1),
            At(0, LogKind.Strip, 0.5), At(1, LogKind.Strip, 0), At(6, LogKind.Smell, null, "sour"), At(7, LogKind.Foam, null, "over"),
            At(9, LogKind.Pathogen, null, "found")], Start, Making.Tea, Start.AddHours(10));
        seen.Oxygen.Select(o => (o.H, o.What)).ShouldBe([(0.0, 8.8), (4.0, 7.1)]);
        (seen.StripMgPerL, seen.NowH, seen.IsTea, seen.IsFeed, seen.Dunked).ShouldBe((0.0, 10.0, true, false, false));
        seen.Smells.Single().ShouldBe(new SeenAt<Smell>(6, Smell.Sour));
        seen.Foams.Single().ShouldBe(new SeenAt<Foam>(7, Foam.Over));
        seen.PathogenFound.ShouldBeTrue();
        BrewLog.Of([At(9, LogKind.Pathogen, null, "found"), At(11, LogKind.Pathogen, null, "none")], Start, Making.Extract,
            Start.AddHours(-1)).ShouldSatisfyAllConditions(s => s.PathogenFound.ShouldBeFalse(), s => s.NowH.ShouldBe(0),
            s => s.Dunked.ShouldBeTrue(), s => s.StripMgPerL.ShouldBeNull());
    }

    [Fact]
    public void Warmth_of_hand_and_probe_lies_in_the_order_of_the_hours() =>
        BrewLog.Warmth([At(2, LogKind.Warmth, 18), At(6, LogKind.Warmth, 21)], Start, [Point(1.5, 7), Point(4.5, 6)])
            .Select(w => (w.H, w.What)).ShouldBe([(1.5, 19.0), (2.0, 18.0), (4.5, 19.0), (6.0, 21.0)]);

    [Fact]
    public void Drift_is_the_mean_of_the_last_three_hand_readings_that_the_probe_was_there_for()
    {
        ProbePoint[] fine = [Point(1, 9), Point(2, 7.4), Point(3, 6.6), Point(4, 6.2)];
        Probes.Drift(fine, [new(1, 7), new(2.1, 7), new(3, 6), new(4, 5.8), new(6, 1)])!.Value.ShouldBe((0.4 + 0.6 + 0.4) / 3, 1e-9);
        Probes.Drift(fine, [new(1.5, 7)]).ShouldBeNull(); // half an hour is too far to compare
        Probes.Drift([], [new(1, 7)]).ShouldBeNull();
    }

    [Fact]
    public void What_it_reads_too_much_is_taken_off_and_hours_of_two_readings_or_after_the_air_are_no_hours()
    {
        Probes.PutRight([Point(0.5, 7), Point(1.5, 6, 2), Point(2.5, 0.2, 3), Point(3.5, 6)], 0.5, 3).Select(p => (p.H, p.MgPerL))
            .ShouldBe([(0.5, 6.5), (2.5, 0.0)]);
        Probes.PutRight([Point(0.5, 7)], null, 3).Single().MgPerL.ShouldBe(7);
    }

    [Theory]
    [InlineData(true, 0, 0.1, "It has been taken out.")]
    [InlineData(false, null, null, "It has not read anything yet. Nobody has read by hand beside it yet.")]
    [InlineData(false, 10, 0.3, "It reads 0.3 above your own readings; the forecast takes that off.")]
    [InlineData(false, 11, -0.3, "Silent for 11 min. It reads 0.3 below your own readings; the forecast takes that off.")]
    [InlineData(false, 1, 1.6, "It reads 1.6 above your own readings: calibrate one of them.")]
    public void How_a_probe_stands_is_said_in_words(bool takenOut, int? minutesAgo, double? drift, string says) =>
        Probes.Says(takenOut, minutesAgo is { } m ? Start.AddMinutes(-m) : null, drift, Start).ShouldBe(says);
}
