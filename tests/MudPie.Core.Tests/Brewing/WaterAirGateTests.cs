using MudPie.Core.Brewing;

namespace MudPie.Core.Tests.Brewing;

/// <summary>Oxygen saturation, chlorine, the pump at depth, and the gate.</summary>
public class WaterAirGateTests
{
    [Fact]
    public void Oxygen_at_saturation_agrees_with_the_published_table_to_0_005()
    {
        foreach (var line in File.ReadLines(Path.Combine(AppContext.BaseDirectory, "Reference", "oxygen-saturation.csv")).Skip(1))
        {
            var cells = line.Split(',').Select(c => double.Parse(c, System.Globalization.CultureInfo.InvariantCulture)).ToArray();
            OxygenSaturation.At(cells[0], cells[1]).Value.Value.ShouldBe(cells[2], 0.005, line);
        }
    }

    [Theory]
    [InlineData(-5.0, 0.0, "temperatureC")]
    [InlineData(60.0, 0.0, "temperatureC")]
    [InlineData(double.NaN, 0.0, "temperatureC")]
    [InlineData(20.0, 9000.0, "altitudeM")]
    public void Saturation_refuses_what_no_brew_sees(double t, double h, string field) =>
        OxygenSaturation.At(t, h).Refused!.Problems.ShouldHaveSingleItem().Field.ShouldBe(field);

    [Theory]
    [InlineData("ascorbic", 75, "mg")] // 50 L × 0.6 mg/L × 2.5
    [InlineData("ascorbic acid", 75, "mg")]
    [InlineData("sodium thiosulfate", 210, "mg")] // × 7
    [InlineData("humic", 300, "mL")] // 6 mL per L
    [InlineData("citric acid", 6.5, "mL")] // 0.13 mL per L
    public void Fifty_litres_at_point_six_needs(string way, double amount, string unit)
    {
        var dose = WaterClearing.Dose(50, 0.6, way).Value;
        dose.Amount!.Value.ShouldBe(amount, 1e-9);
        dose.Unit.ShouldBe(unit);
    }

    [Fact]
    public void Water_nobody_has_tested_is_taken_for_two_milligrams_and_that_is_said()
    {
        var dose = WaterClearing.Dose(50, null, "ascorbic").Worked;
        dose.Value.Amount.ShouldBe(250);
        dose.Value.AssumedMgPerL.ShouldBe(2);
        dose.Working[0].Source.ShouldContain("assumed");
    }

    [Fact]
    public void Standing_warns_where_there_may_be_chloramine_and_needs_no_dose()
    {
        var dose = WaterClearing.Dose(50, 1, "stand", chloramine: true).Worked;
        dose.Value.Amount.ShouldBeNull();
        dose.Value.Minutes.ShouldBe(24 * 60);
        dose.Cautions.ShouldContain(c => c.Id == "chloramine-stays");
        dose.Forks.Single().Schools.Count.ShouldBeGreaterThan(4);
    }

    [Theory]
    [InlineData(99.0)]
    [InlineData(-1.0)]
    [InlineData(double.NaN)]
    public void A_strip_of_nonsense_is_refused(double mg) =>
        WaterClearing.Dose(50, mg, "ascorbic").Refused!.Problems.ShouldHaveSingleItem().Field.ShouldBe("chlorineMgPerL");

    [Fact]
    public void A_pump_gives_less_the_deeper_it_blows_and_nothing_past_its_shut_off()
    {
        // 6 × (1 − (9.80665·0.25 + 3) ÷ 20), by hand
        Air.AtDepth(6, 20, 0.25, 3).Value.ShouldBe(4.3645, 1e-3);
        Air.AtDepth(60, 35, 0.8, 1).Value.ShouldBe(44.837, 1e-2);
        Air.AtDepth(6, 20, 2.5, 3).Refused!.Problems[0].WayOut.ShouldContain("more pressure");
    }

    private static BrewSeen Tea(double nowH) => new() { IsTea = true, NowH = nowH, StripMgPerL = 0, Oxygen = [new(6, 7.1)] };

    [Fact]
    public void A_brew_that_dipped_below_six_goes_on_the_heap_however_it_smells()
    {
        var gate = FitToUse.Judge(Tea(12) with { Oxygen = [new(6, 7.1), new(9, 4.1)], Smells = [new(10, Smell.Earthy)] }).Value;
        gate.Fitness.ShouldBe(Fitness.NotFit);
        gate.Sentence.ShouldBe("Heap it: oxygen was 4.1 mg/L at 9 h, below 6.");
    }

    [Fact]
    public void The_first_hour_does_not_count() =>
        FitToUse.Judge(Tea(12) with { Oxygen = [new(0.5, 5.0), new(6, 7.1)] }).Value.Fitness.ShouldBe(Fitness.Fit);

    [Fact]
    public void Smell_can_fail_a_brew_and_never_pass_it()
    {
        var unseen = new BrewSeen { IsTea = true, NowH = 12, StripMgPerL = 0, Smells = [new(10, Smell.Earthy)] };
        FitToUse.Judge(unseen).Value.Fitness.ShouldBe(Fitness.Unseen);
        FitToUse.Judge(unseen with { Smells = [new(10, Smell.RottenEgg)] }).Value.Fitness.ShouldBe(Fitness.NotFit);
    }

    [Theory]
    [InlineData("strip")]
    [InlineData("foam")]
    [InlineData("source")]
    [InlineData("germs")]
    [InlineData("old")]
    [InlineData("stood")]
    public void Each_of_these_alone_fails_it(string what)
    {
        var seen = Tea(20);
        seen = what switch {
            "strip" => seen with { StripMgPerL = 0.2 },
            "foam" => seen with { Foams = [new(8, Foam.Over)] },
            "source" => seen with { SourceUnfit = true },
            "germs" => seen with { PathogenFound = true },
            "old" => seen with { NowH = 37 },
            _ => seen with { AirOffH = 17, GraceMinutesTo6 = 120 },
        };
        var gate = FitToUse.Judge(seen).Value;
        gate.Fitness.ShouldBe(Fitness.NotFit);
        gate.Reasons.ShouldHaveSingleItem();
    }

    [Fact]
    public void Minutes_left_follow_the_oxygen_and_never_pass_eight_hours()
    {
        FitToUse.Judge(Tea(20.5) with { AirOffH = 20, GraceMinutesTo6 = 90 }).Value.MinutesLeft!.Value.ShouldBe(60, 1e-6);
        FitToUse.Judge(Tea(20.5) with { AirOffH = 20, GraceMinutesTo6 = 3000 }).Value.MinutesLeft!.Value.ShouldBe(450, 1e-6);
        FitToUse.Judge(Tea(20.5) with { AirOffH = 20, GraceMinutesTo6 = 90 }).Forks.Single().Id.ShouldBe("hold");
    }
}
