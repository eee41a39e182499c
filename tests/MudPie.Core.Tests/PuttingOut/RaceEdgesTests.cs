using MudPie.Core.PuttingOut;

namespace MudPie.Core.Tests.PuttingOut;

/// <summary>The race at its limits, and labels word by word.</summary>
public sealed class RaceEdgesTests
{
    private static readonly RaceQuestion Bare = new() {
        Loads = 2, LastShare = 1, DrawMin = 5, TravelMin = 3, SprayMin = 10, GraceMinutes = 18,
    };

    /// <summary>60 L by a 15 L knapsack at 1.5 L/min, drawn at 12: four fillings of 1.25, 3 and 10 minutes.</summary>
    private static readonly RaceFacts Knapsack = new() {
        BrewL = 10, MixL = 60, GraceMinutes = 20, Kit = new RaceKit { TankL = 15, FlowLpm = 1.5, DrawLpm = 12, TravelMin = 3 },
    };

    private static RaceAnswer For(RaceFacts f) => PutOutRace.For(f).Value;

    [Fact]
    public void Just_within_the_grace_is_within_it()
    {
        PutOutRace.Of(Bare).Value.Loads.ShouldAllBe(l => l.WithinGrace);
        PutOutRace.Of(Bare with { GraceMinutes = 17.9 }).Value.Loads.ShouldAllBe(l => !l.WithinGrace);
        var worked = PutOutRace.Of(Bare).Worked;
        worked.Working.Select(w => w.Result).ShouldBe(["18 min without air", "18 min, within 18", "18 min, within 18"]);
        PutOutRace.Of(Bare with { GraceMinutes = 17 }).Worked.Working[1].Result.ShouldBe("18 min, past 17");
    }

    [Fact]
    public void Every_minute_that_cannot_be_is_named() =>
        PutOutRace.Of(new RaceQuestion {
            Loads = 1, LastShare = 1, DrawMin = -1, TravelMin = 601, SprayMin = double.NaN,
            GraceMinutes = -1, AirOffAtMin = -1
        }).Refused!.Problems.Select(p => p.Field)
            .ShouldBe(["drawMin", "travelMin", "sprayMin", "graceMinutes", "airOffAtMin"]);

    [Fact]
    public void Every_part_of_a_kit_that_cannot_be_is_named() =>
        PutOutRace.For(Knapsack with { Kit = new RaceKit { TankL = 0, Lanes = 0, FlowLpm = 0, DrawLpm = 0, TravelMin = -1 } })
            .Refused!.Problems.Select(p => p.Field).ShouldBe(["tankL", "lanes", "flowLpm", "drawLpm", "travelMin"]);

    [Fact]
    public void Four_fillings_of_a_knapsack_by_hand()
    {
        var race = For(Knapsack);
        race.Times.Loads.Count.ShouldBe(4);
        (race.DrawMin, race.SprayMin, race.TravelMin, race.Won).ShouldBe((1.25, 10, 3, true));
        race.Times.Loads[1].DrawFromMin.ShouldBe(17.25, 1e-9); // 1.25 + 3 + 10 and the way back
        race.Times.DoneAtMin.ShouldBe((3 * 17.25) + 14.25, 1e-9);
        race.LastDrawnAtMin.ShouldBe((3 * 17.25) + 1.25, 1e-9);
        race.Verdict.Sentence.ShouldStartWith("4 fillings, done 1 h 06 min after the first draw");
        race.Saves.ShouldBeEmpty();
        race.Facts.ShouldBe(Knapsack);
    }

    [Fact]
    public void A_last_tank_that_is_half_full_takes_half_as_long()
    {
        var race = For(Knapsack with { MixL = 22.5 });
        race.Times.Loads.Count.ShouldBe(2);
        race.Times.Loads[1].MinutesWithoutAir.ShouldBe(0.625 + 3 + 5, 1e-9);
        race.LastDrawnAtMin.ShouldBe(17.25 + 0.625, 1e-9);
        var small = For(Knapsack with { MixL = 6 }); // less than one tank
        (small.Times.Loads.Count, small.DrawMin, small.SprayMin).ShouldBe((1, 0.5, 4));
        small.Verdict.Sentence.ShouldStartWith("One filling, done");
    }

    [Fact]
    public void What_is_not_said_is_taken_from_the_houses_table_and_said()
    {
        var worked = PutOutRace.For(Knapsack with { Kit = new RaceKit { TankL = 15 } }).Worked;
        var kit = worked.Value.Kit;
        (kit.FlowLpm, kit.DrawLpm, kit.TravelMin).ShouldBe((1.5, 12, 3));
        worked.Working.Select(w => w.Source).Take(4)
            .ShouldBe(["the last is a part tank", "usual of the house", "usual of a knapsack", "by the hold that was chosen"]);
        PutOutRace.For(Knapsack).Worked.Working.Select(w => w.Source).Skip(1).Take(2).ShouldBe(["yours", "your calibration"]);
        PutOutRace.For(Knapsack with { GraceMinutes = 1 }).Worked.Working[^1].Source.ShouldBe("flat");
        PutOutRace.For(Knapsack).Worked.Working[^1].Source.ShouldBe("within the grace");
    }

    [Fact]
    public void Two_lanes_share_the_fillings()
    {
        var race = PutOutRace.For(Knapsack with { Kit = Knapsack.Kit with { Lanes = 2 } }).Worked;
        (race.Value.Times.Loads.Count, race.Working[0].Result).ShouldBe((2, "2 each"));
        race.Value.Verdict.Sentence.ShouldStartWith("2 fillings for each of 2, done");
        race.Working[0].Figures.ShouldBe("60 L ÷ 15 L ÷ 2");
        PutOutRace.For(Knapsack).Worked.Working[0].Result.ShouldBe("4");
    }

    [Fact]
    public void Five_hundred_fillings_are_run_and_one_more_is_refused()
    {
        For(Knapsack with { MixL = 7500 }).Times.Loads.Count.ShouldBe(500);
        PutOutRace.For(Knapsack with { MixL = 7501 }).Refused!.Problems.Single().Wrong.ShouldBe("That is 501 fillings of 15 L.");
        For(Knapsack with { MixL = 7501, Kit = Knapsack.Kit with { Lanes = 2 } }).Times.Loads.Count.ShouldBe(251);
        PutOutRace.For(Knapsack with { MixL = 7500 }).Worked.Working.Count.ShouldBe(4 + 12);
    }

    [Fact]
    public void A_battery_on_the_cart_lends_its_grace_and_never_takes_any()
    {
        var cart = Knapsack with { GraceMinutes = 10, Kit = Knapsack.Kit with { BatteryOnCart = true } };
        For(cart).GraceMinutes.ShouldBe(10);
        For(cart with { BatteryGraceMinutes = 30 }).GraceMinutes.ShouldBe(30);
        For(cart with { BatteryGraceMinutes = 5 }).GraceMinutes.ShouldBe(10);
        For(cart with { BatteryGraceMinutes = 30, Kit = Knapsack.Kit }).GraceMinutes.ShouldBe(10);
    }

    [Fact]
    public void A_lost_race_says_by_how_much_and_what_would_save_it_in_the_order_of_their_cost()
    {
        var lost = For(Knapsack with { GraceMinutes = 30, AirOffAtMin = 0, BatteryGraceMinutes = 90 });
        lost.FlatLoads.ShouldBe([2, 3, 4]); // 14.25, 31.5, 48.75 and 66 minutes
        lost.Verdict.Sentence.ShouldBe("Filling 2 would be flat by 2 min.");
        lost.Verdict.Why.ShouldContain("the longest goes 1 h 06 min without air, and it keeps 30 min. What would save it: leave the air");
        lost.Saves.ShouldBe(["Leave the air on in the vessel until the last draw.", "Take the battery pump along on the cart.",
            "3 sprayers at once.", "A tank of 60 L that puts out as much faster.", "Fewer beds: 40 % of this.",
            "Brew it cooler or with less food: it holds longer."]);
    }

    [Fact]
    public void A_dunked_extract_cannot_be_left_on_the_air()
    {
        var lost = For(Knapsack with { GraceMinutes = 30, AirOffAtMin = 0, Dunked = true });
        lost.Saves[0].ShouldBe("3 sprayers at once.");
        lost.Saves[^1].ShouldBe("Make it later.");
        For(Knapsack with { Dunked = true, GraceMinutes = 90 }).Verdict.Why.ShouldBe("Made without air: it keeps 1 h 30 min from now.");
        For(Knapsack).Verdict.Why.ShouldBe("The longest goes 14 min without air, and it keeps 20 min; air on until the last draw.");
        For(Knapsack with { GraceMinutes = 0 }).Verdict.Why.ShouldContain("it keeps no time at all");
        For(Knapsack with { GraceMinutes = 0, MixL = 6 }).Verdict.Sentence.ShouldStartWith("It would be flat by");
    }

    [Fact]
    public void A_second_pair_of_hands_is_called_that()
    {
        // Four fillings with the air off lose; two of them, 14.25 and 31.5 minutes, win.
        For(Knapsack with { GraceMinutes = 32, AirOffAtMin = 0 }).Saves.ShouldContain("A second person with a second sprayer.");
        For(Knapsack with { GraceMinutes = 9 }).Saves.ShouldContain("Fill the tank 50 % full: each filling is out sooner.");
    }

    [Fact]
    public void A_window_that_closes_with_the_last_drop_is_wide_enough()
    {
        For(Knapsack with { Window = new RaceWindow(66, "rain") }).Verdict.Tone.ShouldBe(Tone.Go);
        For(Knapsack with { Window = new RaceWindow(65.9, "rain") }).Verdict.Tone.ShouldBe(Tone.Mind);
    }

    private static LabelRate Label(string text, bool liquid = true) => LabelRates.Read(text, liquid).Value.Single();

    [Theory]
    [InlineData("4 mL per litre daily", 1.0)]
    [InlineData("4 mL per litre every 3 days", 3.0)]
    [InlineData("4 mL per litre a week", 7.0)]
    [InlineData("4 mL per litre every 2 weeks", 14.0)]
    [InlineData("4 mL per litre every fortnight", 14.0)]
    [InlineData("4 mL per litre once a month", 30.0)]
    [InlineData("4 mL per litre every 2 months", 60.0)]
    [InlineData("4 mL per litre", null)]
    public void How_often_a_label_says(string text, double? days) => Label(text).EveryDays.ShouldBe(days);

    [Theory]
    [InlineData("5 g a plant", RateBasis.PerPlant, 5)]
    [InlineData("5 g per tree", RateBasis.PerPlant, 5)]
    [InlineData("20 g per kg seed", RateBasis.PerKgSeed, 20)]
    [InlineData("20 g per 10 kg of seed", RateBasis.PerKgSeed, 2)]
    [InlineData("2 kg per m³ of potting mix", RateBasis.PerM3Mix, 2000)]
    [InlineData("2 g per litre of compost", RateBasis.PerM3Mix, 2000)]
    [InlineData("2 kg per acre", RateBasis.PerHa, 4942.1)]
    [InlineData("2 kg per hectare", RateBasis.PerHa, 2000)]
    [InlineData("50 g per 10 m²", RateBasis.Per100M2, 500)]
    [InlineData("2 kg per m³", RateBasis.PerLitre, 2)]
    [InlineData("2 kg per cubic metre", RateBasis.PerLitre, 2)]
    [InlineData("2 g in half a litre", RateBasis.PerLitre, 4)]
    [InlineData("2 g to each litre", RateBasis.PerLitre, 2)]
    public void What_a_label_of_something_weighed_is_on(string text, RateBasis basis, double grams)
    {
        var rate = Label(text, liquid: false);
        (rate.Basis, rate.Unit).ShouldBe((basis, "g"));
        rate.Low.ShouldBe(grams, grams * 1e-4);
        rate.High.ShouldBe(rate.Low);
    }

    [Fact]
    public void A_label_of_one_part_in_so_many_and_in_per_cent()
    {
        (Label("1 in 300").Low, Label("0.5 %").Low, Label("1:300, weekly").EveryDays).ShouldBe((300, 200, 7));
        LabelRates.Read("1:1,000", true).Refused!.Problems.Single().Field.ShouldBe("labelRate");
        LabelRates.Read(new string('x', 201), true).Refused!.Problems.Single().Wrong.ShouldBe("That is too long for a rate.");
        LabelRates.Read("0 mL per plant", true).Refused!.Problems.Single().Wrong.ShouldContain("is no range from less to more");
        LabelRates.Read("4 mL per 2 moons", true).Refused!.Problems.Single().Field.ShouldBe("labelRate");
        Label("3 to 3 mL per plant").High.ShouldBe(3);
    }

    [Fact]
    public void The_sum_of_a_label_gives_each_pair_its_line()
    {
        var worked = LabelRates.Read("3 to 5 mL a litre, each week; 12 mL monthly; 1:300", true).Worked;
        worked.Working.Select(w => (w.Result, w.Source)).ShouldBe([("3 to 5 mL", "every 7 days"), ("12 mL", "every 30 days"),
            ("1 in 301", "no interval said")]);
        worked.Value.Select(r => r.Shown).ShouldBe(["3 to 5 mL a litre, each week", "12 mL monthly", "1:300"]);
    }
}
