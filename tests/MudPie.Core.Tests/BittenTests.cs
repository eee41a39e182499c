using MudPie.Core.Almanac;
using MudPie.Core.Book;
using MudPie.Core.Brewing;
using MudPie.Core.Judging.Trials;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;

namespace MudPie.Core.Tests;

/// <summary>Each would have caught a slip that once went through all the other tests unseen; figures are worked here by hand.</summary>
public class BittenTests
{
    private static readonly DateTimeOffset Day = new(2026, 6, 10, 0, 0, 0, TimeSpan.Zero);

    [Theory]
    [InlineData(1.1)]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(3.9)]
    public void A_tea_that_read_four_in_its_first_hours_is_heaped_however_well_it_read_since(double hour)
    {
        var gate = FitToUse.Judge(new BrewSeen {
            IsTea = true, NowH = 20, StripMgPerL = 0,
            Oxygen = [new(hour, 4.1), new(12, 7.4), new(18, 7.2)], Smells = [new(12, Smell.Earthy)]
        }).Value;
        gate.Fitness.ShouldBe(Fitness.NotFit);
        gate.Sentence.ShouldStartWith("Heap it: oxygen was 4.1 mg/L");
    }

    [Fact]
    public void What_is_read_up_to_the_first_hour_fails_nothing()
    {
        var gate = FitToUse.Judge(new BrewSeen {
            IsTea = true, NowH = 20, StripMgPerL = 0,
            Oxygen = [new(1, 4.1), new(12, 7.4), new(18, 7.2)]
        }).Value;
        gate.Fitness.ShouldBe(Fitness.Fit);
    }

    [Theory]
    [InlineData("humic")]
    [InlineData("citric")]
    [InlineData("ascorbic")]
    [InlineData("thiosulfate")]
    public void Nothing_is_dosed_into_water_whose_strip_reads_zero(string way)
    {
        var dose = WaterClearing.Dose(50, 0, way).Value;
        dose.Amount.ShouldBe(0);
        dose.Minutes.ShouldBe(0);
        WaterClearing.Says(dose).ShouldBe("Nothing to clear: the strip read zero.");
    }

    [Fact]
    public void The_grower_s_own_code_comes_before_a_label()
    {
        var own = new Dictionary<string, (double Days, string Why)> { ["spray"] = (21, "the co-operative's code") };
        var (days, why, _) = HarvestWaits.DaysFor(new WaitCause("copper", "spray", Day, 14), own, Eaten.Touches);
        (days, why).ShouldBe((21, "by your own code: the co-operative's code"));
        HarvestWaits.DaysFor(new WaitCause("copper", "spray", Day, 14), new Dictionary<string, (double, string)>(),
            Eaten.Touches).Days.ShouldBe(14);
    }

    private static TankJobAnswer Tank(double brewPer100M2) => TankJob.Of(new TankJobQuestion {
        Purpose = Purpose.Leaf,
        BrewL = 10,
        BrewPer100M2 = brewPer100M2,
        Dilution = "1:1",
        SpareShare = 0,
        TankL = 15,
        Beds = [new JobBed { Name = "Ridge Bed 4", AreaM2 = 200 }],
    }).Value;

    [Fact]
    public void A_job_that_takes_more_brew_than_there_is_stops_and_by_a_few_per_cent_too()
    {
        Tank(5).Verdict.Tone.ShouldBe(Tone.Go); // 200 m² × 5 L per 100 m² = 10 L
        var over = Tank(5.15).Verdict; // 10.3 L: 3 % more than there is
        (over.Tone, over.Sentence).ShouldBe((Tone.Stop, "That takes 10.3 L of brew, and there are 10 L."));
    }

    [Fact]
    public void Scores_whose_order_does_not_bear_it_out_tell_nothing_whatever_their_means_do()
    {
        // Means 1 apart with one score far off: t sees a difference, the order of the ranks does not.
        double[] none = [2, 2, 2, 2, 2], tea = [2, 2, 3, 3, 4];
        TrialRow[] rows = [.. none.Select((v, i) => Row("nothing", v, i)), .. tea.Select((v, i) => Row("tea", v, i + 5))];
        var scores = TrialAnalysis.Of(new TrialQuestion {
            Factors = ["treatment"], Control = "nothing", Kind = Scale.Score, Rows = rows,
            WorthHaving = 0.01
        }).Value;
        var p = scores.Ranks!.P;
        scores.Verdict.ShouldBe(p < 0.05 ? Finding.Works : Finding.CannotTell, $"p by ranks {p}");

        // Half the plots: every rank test of two against two has p of a third or more.
        TrialRow[] few = [Row("nothing", 1.0, 0), Row("nothing", 1.01, 1), Row("tea", 5, 2), Row("tea", 5.01, 3)];
        var told = TrialAnalysis.Of(new TrialQuestion {
            Factors = ["treatment"], Control = "nothing", Kind = Scale.Score, Rows = few,
            WorthHaving = 1
        }).Value;
        told.Ranks!.P.ShouldBeGreaterThan(0.1);
        told.Verdicts.Single().Lower!.Value.ShouldBeGreaterThan(1, "by its means it would work");
        told.Verdict.ShouldBe(Finding.CannotTell);
        TrialAnalysis.Of(new TrialQuestion { Factors = ["treatment"], Control = "nothing", Rows = few, WorthHaving = 1 }).Value.Verdict
            .ShouldBe(Finding.Works, "as amounts it does");

        static TrialRow Row(string level, double value, int i) => new() { Plot = $"plot {i}", Levels = [level], Value = value };
    }

    private static WatchAnswer Watched(double molassesMl) => BrewWatch.Of(
        new WatchQuestion {
            Brew = new BrewQuestion {
                VolumeL = 17, DepthM = 0.28, Diffuser = "airStone", AirLpm = 4, TemperatureC = 18, Hours = 26,
                Sources = [new SourceAmount { Kind = "compost", Litres = 1 }],
                Foods = [new FoodAmount { Kind = "molasses", Ml = molassesMl }]
            },
            Seen = new BrewSeen { IsTea = true, NowH = 2, StripMgPerL = 0, Oxygen = [new(1.5, 8.6)] },
            UseAtH = 24,
            StartedAt = Day,
        }, at => at).Value;

    [Fact]
    public void A_brew_that_may_dip_says_so_from_a_quarter_on()
    {
        var told = Enumerable.Range(0, 24).Select(i => Watched(2 + (i * 1.5)))
            .Where(w => w.CrossesAtH is null && w.Gate.Fitness != Fitness.NotFit).ToList();
        var between = told.Where(w => w.Forecast.ProbabilityBelow6 is >= 0.25 and < 0.45).ToList();
        between.ShouldNotBeEmpty();
        between.ShouldAllBe(w => w.Verdict.Tone == Tone.Mind && w.Verdict.Sentence.StartsWith("It may dip below 6"));
        var below = told.Where(w => w.Forecast.ProbabilityBelow6 is > 0.05 and < 0.25).ToList();
        below.ShouldNotBeEmpty();
        below.ShouldAllBe(w => !w.Verdict.Sentence.StartsWith("It may dip below 6"));
    }

    [Theory]
    [InlineData("a third of a cup", 0.25 / 3)]
    [InlineData("third of a cup", 0.25 / 3)]
    [InlineData("two thirds of a cup", 0.5 / 3)]
    [InlineData("one and a third litres", 4.0 / 3)]
    [InlineData("⅓ cup", 0.25 / 3)]
    public void A_third_is_a_third(string typed, double litres) =>
        AmountText.Read("amount", typed, Dimension.Volume).Value.Si.ShouldBe(litres, 1e-12);

    [Theory]
    [InlineData(4, true)]
    [InlineData(5, false)]
    [InlineData(6, false)]
    public void Rain_within_four_hours_spoils_a_leaf_spray_and_later_rain_is_minded(int hoursOn, bool spoils)
    {
        // At 18:00 on 10 June at 52.5° the sun stands below 20°; nothing else is in the way.
        var weather = Enumerable.Range(0, 48).Select(h => new WeatherHour(Day.AddHours(h), 16, 2, h == 18 + hoursOn ? 3 : 0, 0.3, 0.7))
            .ToList();
        var hour = SprayWindows.Of(new WindowsQuestion {
            Purpose = Purpose.Leaf, From = Day, Hours = 24, Latitude = 52.5, Longitude = 0,
            Weather = weather
        }).Value.Hours.Single(h => h.At == Day.AddHours(18));
        hour.Spoils.Any(s => s.StartsWith("rain", StringComparison.Ordinal)).ShouldBe(spoils);
        (hour.Spoils.Concat(hour.Minds)).ShouldContain($"rain within {hoursOn} h{(spoils ? ": it washes off" : "")}");
    }

    private static BrewPlanAnswer Planned(Purpose purpose = Purpose.Leaf) => BrewPlan.Of(
        new BrewPlanQuestion {
            Beds = [new PlanBed { Name = "Ridge Bed 1", AreaM2 = 1000 }],
            Purpose = purpose,
            Now = Day,
            UseAt = Day.AddHours(48),
            VesselWorkingL = 17,
            VesselDepthM = 0.28,
            PumpOpenLpm = 6,
            PumpShutOffKPa = 20,
            Diffuser = "airStone",
            ChlorineMgPerL = 0,
            WarmthC = 18,
        }, at => at).Value;

    [Fact]
    public void What_a_brew_covers_leaves_the_spare_in_the_hose()
    {
        var plan = Planned();
        plan.BrewL.ShouldBe(17); // a thousand square metres want 52.5 L
        plan.CoversM2.ShouldBe(17 / 1.05 / 5 * 100, 1e-6); // 5 L on 100 m²
        Planned(Purpose.Root).CoversM2.ShouldBe(17 / 1.05 / 10 * 100, 1e-6);
    }

    [Fact]
    public void Water_for_thinning_one_to_five_is_five_times_the_brew()
    {
        var step = Planned().Steps.Single(s => s.Id == "thinning");
        step.Detail.ShouldStartWith("85 L in a vessel of its own");
    }

    [Fact]
    public void The_schedule_leaves_ten_minutes_for_the_check_and_the_setting_up_before_the_first_draw()
    {
        var plan = Planned();
        var setUp = 10 + (17 / 20.0); // ten minutes, and one more for every 20 L
        DateTimeOffset At(string id) => plan.Steps.Single(s => s.Id == id).At;
        (At("use") - At("sprayer")).TotalMinutes.ShouldBe(setUp, 1e-6);
        (At("sprayer") - At("check")).TotalMinutes.ShouldBe(10, 1e-6);
        (At("use") - plan.StartAt).TotalMinutes.ShouldBe((plan.BrewHours * 60) + setUp + 10, 5); // the start is set to five minutes
        (At("use") - plan.StartAt).TotalMinutes.ShouldBeGreaterThanOrEqualTo((plan.BrewHours * 60) + setUp + 10 - 2.5);
    }

    [Fact]
    public void A_warmth_reading_is_set_against_the_hour_of_the_day_at_which_it_was_read()
    {
        // Warmest at 15:00 by the planned curve. Begun at 15:00, so 6 h on it is 21:00: the curve stands at its mean.
        var brew = new BrewQuestion { TemperatureC = 18, SwingC = 4, StartHour = 15 };
        var warmed = BrewWatch.Warmed(brew, [new(6, 20)], 12);
        warmed.TemperatureByHour![6].ShouldBe(20, 1e-9);
        warmed.TemperatureByHour[0].ShouldBe(18 + 4 + 2, 1e-9); // at 15:00 the curve is at its top, and the brew was 2 °C above it
        warmed.TemperatureByHour[12].ShouldBe(18 - 4 + 2, 1e-9);
    }
}
