using FsCheck.Xunit;
using MudPie.Core.Brewing;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.Brewing;

/// <summary>A plan worked back from the ground, and a live brew watched.</summary>
public class BrewPlanTests
{
    private static readonly DateTimeOffset Now = new(2026, 6, 10, 5, 0, 0, TimeSpan.Zero);

    private static Ruling<BrewPlanAnswer> Plan(BrewPlanQuestion q) => BrewPlan.Of(q, at => at);

    private static BrewPlanQuestion Leaf => new() {
        Beds = [new PlanBed { Name = "Ridge Bed 1", AreaM2 = 36 }, new PlanBed { Name = "Ridge Bed 2", AreaM2 = 240 }],
        Purpose = Purpose.Leaf,
        Now = Now,
        UseAt = Now.AddHours(48),
        VesselWorkingL = 17,
        VesselDepthM = 0.28,
        PumpOpenLpm = 6,
        PumpShutOffKPa = 20,
        Diffuser = "airStone",
        ChlorineMgPerL = 0.6,
        AltitudeM = 6,
        WarmthC = 18,
        SwingC = 3,
    };

    [Fact]
    public void A_leaf_spray_becomes_a_tea_scaled_to_the_ground_with_its_steps_in_order_before_the_hour()
    {
        var plan = Plan(Leaf).Value;

        plan.Making.ShouldBe(Making.Tea);
        plan.BrewL.ShouldBe(14.5, 0.01); // 276 m² × 5 L per 100 m² × 1.05 = 14.49
        plan.Water.Amount!.Value.ShouldBe(14.5 * 0.6 * 2.5, 1e-6);
        plan.Steps.Select(s => s.Id)
            .ShouldBe(["shop", "fill", "clear", "strip", "source", "foods", "thinning", "check", "sprayer", "use", "air-off", "wash"]);
        plan.Steps.Zip(plan.Steps.Skip(1)).ShouldAllBe(p => p.First.At <= p.Second.At);
        plan.Steps.Single(s => s.Id == "use").At.ShouldBe(Leaf.UseAt!.Value);
        plan.Steps[0].At.ShouldBeGreaterThan(Now);
        (plan.UseAt - plan.StartAt).TotalHours.ShouldBe(plan.BrewHours, 2);
        plan.BrewHours.ShouldBe(plan.Run.ReadyAtH!.Value, 1e-6);
    }

    [Fact]
    public void Roots_get_an_extract_with_no_food_and_the_fork_lets_the_grower_differ()
    {
        var root = Leaf with { Purpose = Purpose.Root };
        var plan = Plan(root).Worked;
        plan.Value.Making.ShouldBe(Making.Extract);
        plan.Value.Foods.ShouldBeEmpty();
        plan.Value.MakingWhy.ShouldContain("soaks in");
        plan.Forks.ShouldContain(f => f.Id == "root-brew");

        plan.Cautions.ShouldNotContain(c => c.Id == "pump-and-water"); // nothing is plugged in
        var aired = Plan(root with { Choices = new Dictionary<string, string> { ["root-brew"] = "either" } }).Worked;
        aired.Value.Making.ShouldBe(Making.Tea);
        aired.Cautions.ShouldContain(c => c.Id == "pump-and-water");
    }

    [Fact]
    public void The_house_feeds_no_more_than_the_air_carries()
    {
        var weak = Plan(Leaf with { PumpOpenLpm = 1.5 }).Value;
        var strong = Plan(Leaf with { PumpOpenLpm = 25 }).Value;

        weak.Foods.Sum(f => f.Litres).ShouldBeLessThan(strong.Foods.Sum(f => f.Litres));
        strong.Run.MinOxygen.ShouldBeGreaterThan(6);
        Plan(Leaf with { Choices = new Dictionary<string, string> { ["food"] = "rich" } }).Value.Verdict.Tone.ShouldBe(Tone.Stop);
    }

    [Fact]
    public void Setting_the_foods_by_hand_to_a_cup_of_molasses_is_called_what_it_is()
    {
        var plan = Plan(Leaf with { Foods = [new FoodAmount { Kind = "molasses", Ml = 250 }] }).Value;
        plan.Verdict.Sentence.ShouldContain("run short");
        plan.Air.LeastLpm.ShouldBeNull();
        plan.Forecast.ProbabilityBelow6.ShouldBeGreaterThan(0.95);
    }

    [Fact]
    public void Too_late_says_the_earliest_hour_it_could_be()
    {
        var plan = Plan(Leaf with { UseAt = Now.AddHours(6) }).Value;
        plan.Verdict.Tone.ShouldBe(Tone.Stop);
        plan.Verdict.Sentence.ShouldContain("Too late");
        Plan(Leaf with { UseAt = plan.EarliestUseAt.AddMinutes(30) }).Value.Verdict.Sentence.ShouldNotContain("Too late");
    }

    [Fact]
    public void A_brew_that_would_run_short_is_told_so_first_even_when_it_is_also_too_late()
    {
        var verdict = Plan(Leaf with { UseAt = Now.AddHours(20), Foods = [new FoodAmount { Kind = "molasses", Ml = 250 }] }).Value.Verdict;
        verdict.Sentence.ShouldContain("run short");
        verdict.Why.ShouldContain("also too late");
    }

    [Fact]
    public void Cold_is_said_to_be_not_ready_by_thirty_six_hours() =>
        Plan(Leaf with { WarmthC = 9, SwingC = 0, UseAt = Now.AddHours(60) }).Value.Verdict.Sentence.ShouldContain("Not ready by 36 h");

    [Fact]
    public void Hot_and_high_cannot_be_held_at_six_by_any_air() =>
        Plan(Leaf with { WarmthC = 33, SwingC = 0, AltitudeM = 1800 }).Value.Verdict.Sentence.ShouldContain("brew cooler");

    [Theory]
    [InlineData("forecast", null)]
    [InlineData("fixed", 24.0)]
    [InlineData("warmth", 27.0)] // 36 − (18 − 12)·1.5
    public void Each_school_of_brew_time_can_be_chosen(string school, double? hours)
    {
        var plan = Plan(Leaf with { Choices = new Dictionary<string, string> { ["brew-time"] = school } }).Worked;
        plan.Value.BrewHours.ShouldBe(hours ?? plan.Value.Run.ReadyAtH!.Value, 1e-6);
        plan.Forks.First(f => f.Id == "brew-time").Chosen.ShouldBe(school);
    }

    [Property(MaxTest = 25)]
    public void Whatever_is_asked_the_plan_fits_the_vessel_and_never_says_NaN(ushort area, byte working, byte warmth, byte flow)
    {
        var q = Leaf with {
            Beds = [new PlanBed { Name = "a", AreaM2 = 1 + area }],
            VesselWorkingL = 5 + (working * 4),
            VesselDepthM = 0.4,
            WarmthC = 8 + (warmth % 26),
            PumpOpenLpm = 2 + flow,
            Members = 20,
        };
        var plan = Plan(q).Value;
        plan.BrewL.ShouldBeInRange(q.VesselWorkingL.Value * 0.38, q.VesselWorkingL.Value + 0.5);
        plan.Foods.ShouldAllBe(f => double.IsFinite(f.Litres) && f.Litres >= 0);
        plan.Forecast.Median.ShouldAllBe(m => double.IsFinite(m.MgPerL) && m.MgPerL >= 0);
    }

    [Fact]
    public void Each_making_has_its_own_steps_hours_and_verdict()
    {
        var root = Leaf with { Purpose = Purpose.Root };
        var dunked = Plan(root with { Making = Making.Extract, Loads = 3 }).Value;
        dunked.Strength!.LitresPer100L.ShouldBe(3 * 0.85 / 20 * 0.8 * 100, 0.2);
        dunked.Steps.Single(s => s.Id == "source").Detail.ShouldContain("3 loads");
        dunked.BrewHours.ShouldBe(0.5, 1e-9);
        var bubbled = Plan(root with { Making = Making.Bubbled }).Value;
        bubbled.BrewHours.ShouldBe(3.5);
        bubbled.Foods.ShouldBeEmpty();
        bubbled.Run.MinOxygen.ShouldBeGreaterThan(6);
        var steep = Plan(root with { Making = Making.Steep, UseAt = Now.AddHours(60) }).Worked;
        steep.Value.Verdict.Sentence.ShouldContain("A feed, not a live brew");
        steep.Cautions.ShouldContain(c => c.Id == "feed-not-brew");
        steep.Value.Run.Below6AtH!.Value.ShouldBeLessThan(36);
    }

    [Fact]
    public void An_unfit_source_stops_the_plan_an_unclean_vessel_and_a_living_bed_are_said()
    {
        var unfit = SourceGate.Judge(new SourceAnswers { Kind = "compost", Manure = "raw" }).Value;
        Plan(Leaf with { SourceRulings = new Dictionary<string, SourceRuling> { ["castings"] = unfit } }).Value.Verdict.Sentence
            .ShouldBe("Not from this source.");
        var plan = Plan(Leaf with { VesselUnclean = true, Beds = [Leaf.Beds[0] with { Life = Life.Living }, Leaf.Beds[1]] }).Worked;
        plan.Cautions[0].Id.ShouldBe("vessel-unclean");
        plan.Value.GroundSays.Single().ShouldContain("Ridge Bed 1: this ground is alive already");
    }

    [Fact]
    public void A_counted_source_moves_the_bias_and_the_fork_says_who_said_so()
    {
        var counted = Plan(Leaf with { BiasByCount = Bias.Bacterial }).Worked;
        counted.Value.Bias.ShouldBe(Bias.Balanced); // annuals lean bacterial, and so does the source already
        counted.Forks.Single(f => f.Id == "bias").House.ShouldBe("count");
        Plan(Leaf with { BiasByCount = Bias.Bacterial, Choices = new Dictionary<string, string> { ["bias"] = "crop" } }).Value.Bias
            .ShouldBe(Bias.Bacterial);
    }

    [Fact]
    public void Food_in_parts_becomes_steps_at_their_hours_and_each_food_says_what_it_does()
    {
        var plan = Plan(Leaf with {
            Foods = [new FoodAmount { Kind = "fishHydrolysate", Ml = 4 },
            new FoodAmount { Kind = "fishHydrolysate", Ml = 4, AtH = 6 }, new FoodAmount { Kind = "molasses", Ml = 3 }]
        }).Value;
        (plan.Steps.Single(s => s.Id == "feed-6").At - plan.StartAt).TotalHours.ShouldBe(6, 1e-6);
        plan.Effects.Select(e => e.Kind).ShouldBe(["fishHydrolysate", "molasses"]);
        plan.Effects.ShouldAllBe(e => e.OxygenMgPerL < 0);
        plan.Effects[1].FungalShare.ShouldBeLessThan(-0.02); // molasses is what pulls the fungal share down
        Plan(Leaf with { Foods = [new FoodAmount { Kind = "molasses", Ml = 3, AtH = 90 }] }).Refused!.Problems[0].Field
            .ShouldBe("foods[0].atH");
    }

    [Fact]
    public void A_bench_of_two_circuits_is_what_the_plan_breathes_with()
    {
        var bench = new AirBenchQuestion {
            Pumps = [new BenchPump { OpenLpm = 6, ShutOffKPa = 20, Count = 2 }],
            Outlets = [new BenchOutlet { Diffuser = "airStone", DepthM = 0.28, Share = 0.5 },
                new BenchOutlet { Diffuser = "drilledPipe", DepthM = 0.28, Share = 0.5 }],
        };
        var plan = Plan(Leaf with { Bench = bench }).Value;
        plan.Brew.Outlets!.Count.ShouldBe(2);
        plan.Air.AtDepthLpm.ShouldBeGreaterThan(Plan(Leaf).Value.Air.AtDepthLpm);
        plan.Run.KLa20.ShouldBeGreaterThan(Plan(Leaf).Value.Run.KLa20);
        Plan(Leaf with { Bench = bench, AirLpm = 3 }).Value.Brew.Outlets!.Sum(o => o.AirLpm!.Value).ShouldBe(3, 1e-9);
    }

    [Fact]
    public void Nonsense_names_its_field()
    {
        Plan(Leaf with { UseAt = Now.AddHours(-1) }).Refused!.Problems[0].Field.ShouldBe("useAt");
        Plan(Leaf with { WarmthC = 60 }).Refused!.Problems[0].Field.ShouldBe("warmthC");
        Plan(Leaf with { Beds = [] }).Refused!.Problems[0].Field.ShouldBe("beds");
        Plan(Leaf with { BrewL = 40 }).Refused!.Problems[0].Field.ShouldBe("brewL");
        Plan(Leaf with { ChlorineMgPerL = 99 }).Refused!.Problems[0].Field.ShouldBe("chlorineMgPerL");
        Plan(Leaf with { PumpShutOffKPa = 3 }).Refused!.Problems[0].Field.ShouldBe("pump");
    }

    private static WatchQuestion Sliding(params SeenAt<double>[] oxygen) => new() {
        Brew = BrewRunTests.Bucket
            with { Foods = [new FoodAmount { Kind = "fishHydrolysate", Ml = 22 }, new FoodAmount { Kind = "kelpLiquid", Ml = 15 }] },
        StartedAt = Now,
        UseAtH = 23,
        Seen = new BrewSeen { IsTea = true, NowH = oxygen.Length == 0 ? 1 : oxygen[^1].H + 0.2, StripMgPerL = 0, Oxygen = oxygen },
    };

    [Fact]
    public void A_brew_sliding_toward_six_is_told_what_would_hold_it()
    {
        var watch = BrewWatch.Of(Sliding(new(3, 8.1), new(5, 7.4), new(7, 6.6)), at => at).Value;

        watch.Verdict.Tone.ShouldBe(Tone.Stop);
        watch.CrossesAtH!.Value.ShouldBeInRange(7.2, 10);
        watch.Remedies.Select(r => r.Id).ShouldBe(["air", "early", "cool"]);
        watch.Remedies[0].Gives.ShouldContain("mg/L at its lowest");
    }

    [Fact]
    public void A_steady_brew_is_left_alone_and_its_next_look_is_due_in_two_hours()
    {
        var calm = Sliding(new(3, 8.7), new(6, 8.6), new(9, 8.5), new(12, 8.5))
            with { Brew = BrewRunTests.Bucket with { Foods = [], TemperatureC = 24 }, UseAtH = 26 };
        var watch = BrewWatch.Of(calm, at => at).Value;
        watch.Verdict.Tone.ShouldBe(Tone.Go);
        watch.Remedies.ShouldBeEmpty();
        watch.ReadingDueAtH.ShouldBe(14);
    }

    [Fact]
    public void Warmth_readings_move_the_forecast()
    {
        var cool = BrewWatch.Of(Sliding([new(3, 8.1)]) with { Warmth = [new(1, 13), new(3, 13)] }, at => at).Value;
        var warm = BrewWatch.Of(Sliding([new(3, 8.1)]) with { Warmth = [new(1, 25), new(3, 25)] }, at => at).Value;
        cool.Forecast.ReadyAtH.Median!.Value.ShouldBeGreaterThan(warm.Forecast.ReadyAtH.Median!.Value + 3);
    }

    [Fact]
    public void Once_the_air_is_off_the_clock_runs()
    {
        var q = Sliding(new(3, 8.7), new(6, 8.6), new(12, 8.5));
        q = q with { Brew = BrewRunTests.Bucket with { Foods = [], AirLpm = 10 }, Seen = q.Seen with { AirOffH = 12.1, NowH = 12.2 } };
        var watch = BrewWatch.Of(q, at => at).Value;
        watch.Verdict.Sentence.ShouldStartWith("Use it before");
        watch.UseByH!.Value.ShouldBeInRange(12.4, 20.2);
        watch.Gate.MinutesLeft!.Value.ShouldBe((watch.UseByH.Value - 12.2) * 60, 0.01);
    }
}
