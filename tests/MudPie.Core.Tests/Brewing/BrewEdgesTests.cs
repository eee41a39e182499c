using MudPie.Core.Brewing;
using MudPie.Core.Measures;

namespace MudPie.Core.Tests.Brewing;

/// <summary>Looking back, the battery pump, words of the log and of a probe: at their limits.</summary>
public sealed class BrewEdgesTests
{
    /// <summary>A brew that no mark is on.</summary>
    private static readonly PastBrew Plain = new(1, false, 18, 0.3, 0.3, false, 24, true, true, 3);

    private static readonly string[] Nothing = [];

    /// <summary>The marks on a brew that failed, beside a plain one that did not.</summary>
    private static IEnumerable<string> Marks(PastBrew brew) => LookingBack.Of([brew with { Failed = true }, Plain]).Select(w => w.Id);

    [Fact]
    public void A_brew_is_marked_past_each_line_and_not_at_it()
    {
        Marks(Plain).ShouldBeEmpty();
        Marks(Plain with { WarmthC = 22 }).ShouldBeEmpty();
        Marks(Plain with { WarmthC = 22.1 }).ShouldBe(["warm"]);
        Marks(Plain with { WarmthC = 13 }).ShouldBeEmpty();
        Marks(Plain with { WarmthC = 12.9 }).ShouldBe(["cold"]);
        Marks(Plain with { AirPerL = 0.25 }).ShouldBeEmpty();
        Marks(Plain with { AirPerL = 0.24 }).ShouldBe(["lightAir"]);
        Marks(Plain with { Sweet = true }).ShouldBe(["sweet"]);
        Marks(Plain with { FoodCod = 0.6 }).ShouldBeEmpty();
        Marks(Plain with { FoodCod = 0.61 }).ShouldBe(["fed"]);
        Marks(Plain with { StripZero = false }).ShouldBe(["strip"]);
        Marks(Plain with { StripZero = null }).ShouldBe(["strip"]);
        Marks(Plain with { VesselClean = false }).ShouldBe(["unclean"]);
        Marks(Plain with { VesselClean = null }).ShouldBeEmpty(); // nobody logs it
        Marks(Plain with { Readings = 0 }).ShouldBe(["unread"]);
        Marks(Plain with { Hours = 30 }).ShouldBeEmpty();
        Marks(Plain with { Hours = 30.1 }).ShouldBe(["long"]);
    }

    private static IEnumerable<PastBrew> Sweet(int of, int failed) =>
        Enumerable.Range(0, of).Select(i => Plain with { Sweet = true, Failed = i < failed });

    private static IEnumerable<PastBrew> Long(int of, int failed) =>
        Enumerable.Range(0, of).Select(i => Plain with { Hours = 34, Failed = i < failed });

    private static IEnumerable<PastBrew> Others(int of, int failed) =>
        Enumerable.Range(0, of).Select(i => Plain with { Failed = i < failed });

    [Fact]
    public void What_went_with_failures_stands_the_most_telling_first()
    {
        var went = LookingBack.Of([.. Long(4, 2), .. Sweet(4, 3), .. Others(8, 0)]);
        went.Select(w => (w.Id, w.FailedWith, w.With, w.FailedWithout, w.Without))
            .ShouldBe([("sweet", 3, 4, 2, 12), ("long", 2, 4, 3, 12)]);
        went[0].Sentence.ShouldBe("3 of 4 with it went on the heap, 2 of 12 without. Few brews: a hint, not a finding.");
        // Equally telling: the one that more failures had.
        LookingBack.Of([.. Long(2, 1).Select(b => b with { Sweet = true }), .. Others(2, 0)]).Select(w => w.Id)
            .ShouldBe(["sweet", "long"]);
    }

    [Fact]
    public void What_is_as_bad_without_it_or_has_nothing_beside_it_tells_nothing()
    {
        LookingBack.Of([.. Sweet(4, 2), .. Others(4, 2)]).ShouldBeEmpty();
        LookingBack.Of([.. Sweet(4, 1), .. Others(4, 2)]).ShouldBeEmpty();
        LookingBack.Of([.. Sweet(4, 3)]).ShouldBeEmpty();
        LookingBack.Of([]).ShouldBeEmpty();
        LookingBack.Of([.. Sweet(8, 3), .. Others(9, 1)]).Single().Sentence
            .ShouldEndWith("It may go with something else: a hint, not a cause.");
        LookingBack.Of([.. Sweet(7, 3), .. Others(9, 1)]).Single().Sentence.ShouldEndWith("Few brews: a hint, not a finding.");
        var fed = LookingBack.Of([Plain with { FoodCod = 1, Failed = true }, Plain], UnitSystem.UsCustomary).Single();
        fed.Name.ShouldBe("more than 0.08 oz of food (COD) per gallon"); // 0.6 × 3.785 ÷ 28.35
        LookingBack.Of([Plain with { FoodCod = 1, Failed = true }, Plain]).Single().Name
            .ShouldBe("more than 0.6 g of food (COD) per litre");
    }

    [Fact]
    public void A_vessel_is_clean_when_every_step_is_logged()
    {
        var all = CleanUp.Steps.Select(s => s.Id).ToList();
        CleanUp.IsClean(all).ShouldBeTrue();
        CleanUp.IsClean(all.Skip(1)).ShouldBeFalse();
        CleanUp.IsClean(Nothing).ShouldBeFalse();
    }

    private static AfterAirAnswer Stopped(BatteryPump? battery = null, double? oxygen = null, BrewQuestion? brew = null) =>
        AfterAir.Of(brew ?? BrewRunTests.Bucket, 20, battery, oxygenThen: oxygen).Value;

    [Fact]
    public void A_battery_holds_for_as_long_as_it_lasts_and_then_the_brew_runs_down()
    {
        var alone = Stopped();
        var strong = Stopped(new BatteryPump { AirLpm = 5, Hours = 3 });
        // As much air as before: above 6 for its three hours, and then about as long as with none.
        strong.BatteryHolds.ShouldBeTrue();
        strong.WithBatteryTo6!.Value.ShouldBeInRange(180, 180 + (2 * alone.MinutesTo6!.Value));
        Math.Abs(strong.WithBatteryTo6.Value - Math.Round(strong.WithBatteryTo6.Value)).ShouldBeLessThan(1e-6); // minute by minute
        strong.HoldMinutes.ShouldBe(strong.WithBatteryTo6.Value, 1e-9);
        strong.Sentence.ShouldEndWith(", and the battery pump holds it while it lasts.");
        var longer = Stopped(new BatteryPump { AirLpm = 5, Hours = 4 });
        (longer.WithBatteryTo6!.Value - strong.WithBatteryTo6.Value).ShouldBe(60, 3);
        var weak = Stopped(new BatteryPump { AirLpm = 0.2, Hours = 3 });
        weak.BatteryHolds.ShouldBeFalse();
        weak.WithBatteryTo6!.Value.ShouldBeInRange(alone.MinutesTo6.Value, 180);
        weak.Sentence.ShouldEndWith(" with the battery pump.");
        weak.HoldMinutes.ShouldBe(weak.WithBatteryTo6.Value, 1e-9);
    }

    [Fact]
    public void A_battery_that_outlasts_two_days_keeps_it_for_the_eight_hours_of_the_house()
    {
        var a = Stopped(new BatteryPump { AirLpm = 5, Hours = 72 });
        (a.WithBatteryTo6, a.BatteryHolds, a.HoldMinutes).ShouldBe((null, true, 480));
    }

    [Fact]
    public void What_was_read_as_the_air_stopped_shifts_the_battery_too()
    {
        var weak = new BatteryPump { AirLpm = 0.2, Hours = 3 };
        var (less, more) = (Stopped(weak, 6.3), Stopped(weak, 8));
        less.MinutesTo6!.Value.ShouldBeLessThan(more.MinutesTo6!.Value);
        less.WithBatteryTo6!.Value.ShouldBeLessThan(more.WithBatteryTo6!.Value);
        less.WithBatteryTo6.Value.ShouldBeGreaterThanOrEqualTo(Math.Floor(less.MinutesTo6.Value));
        Stopped(weak, 5.9).WithBatteryTo6!.Value.ShouldBe(0, 1e-9); // it is under already
        Stopped(null, 5.9).Sentence.ShouldBe("It is under 6 mg/L already: the hold is over before it begins.");
    }

    [Fact]
    public void The_deeper_a_battery_pump_hangs_the_longer_it_keeps()
    {
        double To6(double depth) => Stopped(new BatteryPump { AirLpm = 0.3, Hours = 3 },
            brew: BrewRunTests.Bucket with { DepthM = depth }).WithBatteryTo6!.Value;
        var (shallow, usual, deep) = (To6(0.1), To6(0.3), To6(0.4));
        shallow.ShouldBeLessThanOrEqualTo(usual);
        usual.ShouldBeLessThanOrEqualTo(deep);
        shallow.ShouldBeLessThan(deep);
    }

    [Fact]
    public void A_battery_pump_that_cannot_be_is_refused_by_its_field()
    {
        IEnumerable<string> Wrong(BatteryPump battery) =>
            AfterAir.Of(BrewRunTests.Bucket, 20, battery).Refused?.Problems.Select(p => p.Field) ?? Nothing;
        Wrong(new BatteryPump { AirLpm = 4, Hours = 72 }).ShouldBeEmpty();
        Wrong(new BatteryPump { AirLpm = 4, Hours = 72.1 }).ShouldBe(["battery.hours"]);
        Wrong(new BatteryPump { AirLpm = 4 }).ShouldBe(["battery.hours"]);
        Wrong(new BatteryPump { AirLpm = 4, Hours = 3, Diffuser = "flute" }).ShouldBe(["battery.diffuser"]);
        AfterAir.Of(BrewRunTests.Bucket with { VolumeL = -1 }, 20).Refused!.Problems.ShouldContain(p => p.Field == "volumeL");
    }

    [Fact]
    public void What_is_logged_in_words_is_a_smell_a_foam_or_a_note()
    {
        BrewSaid.Of(LogKind.Oxygen, "much").Refused!.Problems.Single().Field.ShouldBe("kind");
        BrewSaid.Of(LogKind.Foam, "thick").Value.Text.ShouldBe("thick");
        BrewSaid.Read(LogKind.Note, new string('a', 1000), UnitSystem.Metric).Refused.ShouldBeNull();
        BrewSaid.Read(LogKind.Note, new string('a', 1001), UnitSystem.Metric).Refused!.Problems.Single().Field.ShouldBe("value");
        BrewSaid.Read(LogKind.Note, "  ", UnitSystem.Metric).Refused!.Problems.Single().Wrong.ShouldBe("There is nothing in the note.");
        BrewSaid.Read(LogKind.Fed, "30 ml of molasses", UnitSystem.Metric).Value.Number!.Value.ShouldBe(30, 1e-9);
        BrewSaid.Read(LogKind.Fed, "30 ml gravel", UnitSystem.Metric).Refused!.Problems.Single().Wrong
            .ShouldBe("There is no food in that.");
        BrewSaid.Read(LogKind.Fed, "molasses", UnitSystem.Metric).Refused.ShouldNotBeNull(); // how much is not said
        BrewSaid.Read(LogKind.Start, "now", UnitSystem.Metric).Refused!.Problems.Single().Field.ShouldBe("kind");
    }

    [Theory]
    [InlineData(WatchAlerts.DriftLine, "above your own readings: calibrate one of them.")]
    [InlineData(-WatchAlerts.DriftLine, "below your own readings: calibrate one of them.")]
    [InlineData(WatchAlerts.DriftLine - 0.01, "above your own readings; the forecast takes that off.")]
    public void A_probe_that_drifts_is_calibrated_from_its_line_on(double drift, string says) =>
        Probes.Says(false, DateTimeOffset.UnixEpoch, drift, DateTimeOffset.UnixEpoch).ShouldEndWith(says);

    [Fact]
    public void Outlets_on_the_bench_lie_as_deep_as_they_were_set_but_never_deeper_than_the_water()
    {
        PlanAirflow Air(double? set) => PlanAirflow.Of(new BrewPlanQuestion {
            Now = DateTimeOffset.UnixEpoch, Bench = new AirBenchQuestion {
                Pumps = [new BenchPump { OpenLpm = 20, ShutOffKPa = 20 }],
                Outlets = [new BenchOutlet { Diffuser = "airStone", DepthM = set }], VolumeL = 100
            }
        }, 0.5, 60).Value;
        Air(0.2).Outlets!.Single().DepthM.ShouldBe(0.2);
        Air(0.9).Outlets!.Single().DepthM.ShouldBe(0.5);
        Air(null).Outlets!.Single().DepthM.ShouldBe(0.5);
        Air(0.2).Lpm.ShouldBeGreaterThan(Air(0.5).Lpm);
    }

    [Fact]
    public void A_tally_is_kept_with_what_it_is_of()
    {
        var now = new DateTimeOffset(2027, 5, 1, 8, 0, 0, TimeSpan.Zero);
        var tally = new TallyQuestion {
            Fields = [.. Enumerable.Repeat(new TallyField { Bacteria = 8 }, 10)], Objective = 40,
            FieldNumberMm = 20, CoverSlipMm2 = 324, DropMl = 0.05
        };
        var kept = TallyDeeds.Count("source", tally, inputThere: true, batchThere: false, null, now).Value;
        (kept.Stage, kept.At, kept.Answer.Sentence.Length > 0).ShouldBe((TallyStage.Source, now, true));
        var lost = TallyDeeds.Count("source", tally, inputThere: false, batchThere: true, null, now).Refused!.Problems.Single();
        (lost.Field, lost.WayOut).ShouldBe(("inputId", "Choose the lot of source."));
        var brew = TallyDeeds.Count("end", tally, inputThere: true, batchThere: false, null, now).Refused!.Problems.Single();
        (brew.Field, brew.WayOut).ShouldBe(("batchId", "Choose the brew."));
    }
}
