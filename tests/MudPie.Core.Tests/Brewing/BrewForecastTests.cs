using MudPie.Core.Brewing;

namespace MudPie.Core.Tests.Brewing;

/// <summary>The ensemble: what it must say before and after readings.</summary>
public class BrewForecastTests
{
    private static ForecastQuestion Bucket(params OxygenAt[] readings) => new() {
        VolumeL = 19,
        DepthM = 0.3,
        Diffuser = "airStone",
        AirLpm = 5,
        TemperatureC = 20,
        Hours = 36,
        Members = 300,
        Readings = readings,
        Sources = [new SourceAmount { Kind = "compost", Litres = 1.2 }],
        Foods = [new FoodAmount { Kind = "fishHydrolysate", Ml = 15 }, new FoodAmount { Kind = "kelpLiquid", Ml = 15 }],
    };

    private static OxygenAt Read(double h, double mg) => new() { H = h, MgPerL = mg };

    [Fact]
    public void The_same_question_gives_the_same_answer_and_another_seed_another()
    {
        var once = BrewForecast.Of(Bucket()).Value;
        var again = BrewForecast.Of(Bucket()).Value;
        var other = BrewForecast.Of(Bucket() with { Seed = 7 }).Value;

        again.Median.Select(m => m.MgPerL).ShouldBe(once.Median.Select(m => m.MgPerL));
        other.Median[30].MgPerL.ShouldNotBe(once.Median[30].MgPerL);
    }

    [Fact]
    public void The_table_s_own_brew_lies_in_the_band_and_the_band_is_in_order()
    {
        var f = BrewForecast.Of(Bucket()).Value;
        var run = BrewRun.Of(BrewRunTests.Bucket, 0.5).Value;

        for (var i = 0; i < f.Median.Count; i++)
        {
            f.Low10[i].MgPerL.ShouldBeLessThanOrEqualTo(f.Median[i].MgPerL);
            f.Median[i].MgPerL.ShouldBeLessThanOrEqualTo(f.High90[i].MgPerL);
            run.Series[i].Oxygen.ShouldBeInRange(f.Low10[i].MgPerL - 0.01, f.High90[i].MgPerL + 0.01);
        }

        f.ReadyAtH.Median!.Value.ShouldBe(23.25, 3);
    }

    [Fact]
    public void Three_readings_make_the_band_visibly_tighter()
    {
        var plain = BrewForecast.Of(Bucket()).Value;
        var told = BrewForecast.Of(Bucket(Read(4, 8.0), Read(7, 7.2), Read(10, 6.3))).Value;
        double Width(ForecastAnswer f, int i) => f.High90[i].MgPerL - f.Low10[i].MgPerL;

        // At the last reading, two hours before it, and two hours past it.
        Width(told, 20).ShouldBeLessThan(Width(plain, 20) * 0.4);
        Width(told, 16).ShouldBeLessThan(Width(plain, 16) * 0.4);
        Width(told, 24).ShouldBeLessThan(Width(plain, 24) * 0.85);
    }

    [Fact]
    public void Readings_pull_the_forecast_their_way()
    {
        var low = BrewForecast.Of(Bucket(Read(6, 6.2))).Value;
        var high = BrewForecast.Of(Bucket(Read(6, 8.2))).Value;

        low.ProbabilityBelow6.ShouldBeGreaterThan(high.ProbabilityBelow6 + 0.04);
        low.Median[12].MgPerL.ShouldBe(6.2, 0.35);
        high.Median[12].MgPerL.ShouldBe(8.2, 0.35);
    }

    [Fact]
    public void Readings_drawn_from_a_hidden_brew_bring_the_forecast_to_it()
    {
        // A brew that the table does not know: strong source, air that goes over badly.
        var hidden = new Multipliers(1.2, 1, 1, 1, 1, 0.8, 1, 1.8, 1);
        var truth = BrewRun.Read((BrewRunTests.Bucket with { Hours = 36 }).MakeReady().Setup!, hidden, 1e-6, 1);
        OxygenAt[] readings = [.. new[] { 2, 4, 5, 6, 7 }.Select(h => Read(h, truth.Series[h].Oxygen))];

        var told = BrewForecast.Of(Bucket(readings)).Value;

        told.Trusted.ShouldBeTrue();
        told.Median[16].MgPerL.ShouldBe(truth.Series[8].Oxygen, 0.8);
        truth.Series[9].Oxygen.ShouldBeInRange(told.Low10[18].MgPerL, told.High90[18].MgPerL);
    }

    [Fact]
    public void Readings_that_no_brew_could_give_are_not_trusted() =>
        BrewForecast.Of(Bucket(Read(3, 2.0), Read(6, 8.3), Read(9, 1.6))).Value.Trusted.ShouldBeFalse();

    [Fact]
    public void Grace_after_the_air_stops_is_shorter_for_a_hungrier_brew_and_longer_in_the_cold()
    {
        double Grace(ForecastQuestion q) => BrewForecast.Of(q with { AirLpm = 25, UseAtH = 20 }).Value.GraceMinutesTo6;
        var usual = Grace(Bucket());

        Grace(Bucket() with { Foods = [new FoodAmount { Kind = "molasses", Ml = 10 }] }).ShouldBeLessThan(usual + 30);
        Grace(Bucket() with { TemperatureC = 10 }).ShouldBeGreaterThan(usual * 2);
        usual.ShouldBeInRange(5, 120);
    }

    [Theory]
    [InlineData(-1, 5, "readings[0].h")]
    [InlineData(99, 5, "readings[0].h")]
    [InlineData(3, -1, "readings[0].mgPerL")]
    [InlineData(3, 99, "readings[0].mgPerL")]
    [InlineData(3, double.NaN, "readings[0].mgPerL")]
    public void A_reading_that_cannot_be_is_refused(double h, double mg, string field) =>
        BrewForecast.Of(Bucket(Read(h, mg))).Refused!.Problems[0].Field.ShouldBe(field);
}
