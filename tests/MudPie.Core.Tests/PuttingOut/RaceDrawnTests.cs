using MudPie.Core.PuttingOut;

namespace MudPie.Core.Tests.PuttingOut;

/// <summary>The race as it is drawn, and as it would be if it were run otherwise.</summary>
public class RaceDrawnTests
{
    /// <summary>200 L of brew in 1,000 L of mix, 400 L at a time: 10 min to draw, 4 there, 20 to put out.</summary>
    private static readonly RaceFacts Facts = new() {
        BrewL = 200, MixL = 1000, GraceMinutes = 44,
        Kit = new RaceKit { Name = "Mounted boom", Kind = "boom", TankL = 400, FlowLpm = 20, DrawLpm = 40, TravelMin = 4 }
    };

    private static RaceAnswer Run(RaceFacts f) => PutOutRace.For(f).Worked.Value;

    [Fact]
    public void Each_filling_is_drawn_stretch_by_stretch()
    {
        var strips = Run(Facts).Strips.ToList();
        strips.Count.ShouldBe(3);
        strips[0].ShouldBe(new RaceStrip(1, 0, 10, 14, 34, 0, 44, true));
        strips[1].ShouldBe(new RaceStrip(2, 38, 48, 52, 72, 38, 82, true));
        strips[2].ShouldBe(new RaceStrip(3, 76, 81, 85, 95, 76, 120, true)); // half a tank draws and goes out in half the time
    }

    [Fact]
    public void With_the_air_off_all_have_lost_it_by_then()
    {
        var strips = Run(Facts with { AirOffAtMin = 0 }).Strips.ToList();
        strips.Select(s => s.AirLostAtMin).ShouldBe([0, 0, 0]);
        strips.Select(s => s.FlatAtMin).ShouldBe([44, 44, 44]);
        strips.Select(s => s.WithinGrace).ShouldBe([true, false, false]);
    }

    [Fact]
    public void Run_otherwise_it_says_what_would_come_of_it()
    {
        var otherwise = PutOutRace.Otherwise(Facts);
        otherwise.Select(o => o.What).ShouldBe(["air off before the first filling", "two people, two sprayers", "a knapsack"]);
        otherwise[0].ShouldBe(new RaceOtherwise("air off before the first filling", "3 fillings; filling 2 is flat by 28 min", false));
        otherwise[1].ShouldBe(new RaceOtherwise("two people, two sprayers", "2 fillings, done 46 min sooner", true));
        otherwise[2].Won.ShouldBeTrue(); // small fillings, each soon out, and a long day of them
        otherwise[2].Says.ShouldStartWith("67 fillings, done ");
    }

    [Fact]
    public void The_figure_of_its_remark() => PutOutRace.Otherwise(new() {
        BrewL = 300, MixL = 1800, GraceMinutes = 44,
        Kit = new RaceKit { Kind = "boom", TankL = 400, FlowLpm = 30, DrawLpm = 40, TravelMin = 3 }
    })[0].Says.ShouldBe("5 fillings; filling 2 is flat by 12 min");

    [Fact]
    public void What_is_otherwise_is_the_other_way_round_where_the_air_is_off_and_several_go_already()
    {
        var otherwise = PutOutRace.Otherwise(Facts with { AirOffAtMin = 0, Kit = Facts.Kit with { Lanes = 2 } });
        otherwise[0].What.ShouldBe("air on until the last draw");
        otherwise[0].Won.ShouldBeTrue();
        otherwise[1].What.ShouldBe("3 sprayers at once");
    }

    [Fact]
    public void A_knapsack_is_tried_half_full_and_a_dunked_extract_has_no_air_to_stop()
    {
        var otherwise = PutOutRace.Otherwise(Facts with { MixL = 60, Dunked = true, Kit = new RaceKit() });
        otherwise.Select(o => o.What).ShouldBe(["two people, two sprayers", "half a tank at a time"]);
    }

    [Fact]
    public void What_would_be_more_fillings_than_anybody_does_is_not_counted_out() =>
        PutOutRace.Otherwise(Facts with { MixL = 20_000, BrewL = 4000, Kit = Facts.Kit with { TankL = 2000 } })
            .Single(o => o.What == "a knapsack").ShouldBe(new RaceOtherwise("a knapsack", "nobody’s day’s work", false));
}
