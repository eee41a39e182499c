using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.Workings;

/// <summary>Figures as people read them, and the promise that every rule shows its sum.</summary>
public class WorkingsTests
{
    [Theory]
    [InlineData(0, "0")]
    [InlineData(0.0754, "0.0754")]
    [InlineData(5.7208, "5.72")]
    [InlineData(1240, "1240")]
    [InlineData(12345.6, "12346")]
    [InlineData(-0.5, "-0.5")]
    public void Three_figures_and_no_exponents(double value, string said) => Say.Number(value).ShouldBe(said);

    [Theory]
    [InlineData(45, "45 min")]
    [InlineData(180, "3 h")]
    [InlineData(200, "3 h 20 min")]
    [InlineData(59.7, "1 h")]
    [InlineData(0, "0 min")]
    public void Minutes_as_they_are_said(double minutes, string said) => Say.Minutes(minutes).ShouldBe(said);

    [Fact]
    public void Lists_end_with_and()
    {
        Say.List([]).ShouldBe("");
        Say.List(["a"]).ShouldBe("a");
        Say.List(["a", "b", "c"]).ShouldBe("a, b and c");
    }

    [Fact]
    public void A_refusal_asked_for_its_value_is_a_programmers_mistake()
    {
        Ruling<double> refused = Refusal.Of("x", "No.", "Try again.");
        refused.Refused.ShouldNotBeNull();
        Should.Throw<InvalidOperationException>(() => refused.Value);
        refused.Match(_ => "value", r => r.ToString()).ShouldBe("x: No. Try again.");
    }

    [Fact]
    public void Every_rule_shows_its_sum_with_a_source_and_every_fork_offers_its_house_choice()
    {
        var spread = TankJob.Of(new TankJobQuestion {
            Purpose = Purpose.Leaf, BrewL = 12, Dilution = "1:5", TankL = 15,
            Beds = [new JobBed { Name = "a", AreaM2 = 100 }]
        }).Worked;
        var dose = WaterClearing.Dose(20, 1, "ascorbic").Worked;
        var air = Air.AtDepth(6, 20, 0.25, 3).Worked;
        var saturation = OxygenSaturation.At(20, 0).Worked;
        var run = BrewRun.Of(Brewing.BrewRunTests.Bucket).Worked;
        foreach (var lines in new[] { spread.Working, dose.Working, air.Working, saturation.Working, run.Working })
        {
            lines.ShouldNotBeEmpty();
            lines.ShouldAllBe(l => l.Name.Length > 0 && l.Formula.Length > 0 && l.Result.Length > 0 && l.Source.Length > 0);
        }

        foreach (var fork in spread.Forks.Concat(dose.Forks))
        {
            fork.Schools.Select(s => s.Id).ShouldContain(fork.House);
            fork.Schools.Select(s => s.Id).ShouldContain(fork.Chosen);
            fork.Schools.ShouldAllBe(s => s.Gives.Length > 0);
        }

        spread.Cautions.ShouldAllBe(c => c.LocalRule.Contains("caution"));
    }

    [Theory]
    [InlineData(0.0295735, "2 tbsp")]
    [InlineData(3.785411784, "1 gallon")]
    [InlineData(0.2365882365, "1 cup")]
    public void American_spoons_and_jugs(double litres, string words) =>
        Spoons.InTools(new Litres(litres), UnitSystem.UsCustomary).Text.ShouldBe(words);

    [Fact]
    public void The_error_of_rounding_is_said_either_way()
    {
        Spoons.ErrorText(0).ShouldBe("exact");
        Spoons.ErrorText(0.021).ShouldBe("2.1 % over");
        Spoons.ErrorText(-0.17).ShouldBe("17 % short");
        Spoons.InTools(Litres.FromMillilitres(0.2), UnitSystem.Metric).Text.ShouldContain("weigh it");
    }
}
