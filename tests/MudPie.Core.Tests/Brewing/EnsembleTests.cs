using FsCheck.Xunit;
using MudPie.Core.Brewing;

namespace MudPie.Core.Tests.Brewing;

/// <summary>The draw, its weights, and the solver's short cuts.</summary>
public class EnsembleTests
{
    [Fact]
    public void A_draw_covers_each_spread_evenly_with_its_table_value_in_the_middle()
    {
        var ensemble = Ensemble.Draw(500, 1);
        for (var d = 0; d < Multipliers.Spread.Count; d++)
        {
            var values = ensemble.Logs.Select(l => l[d]).Order().ToArray();
            var sigma = Math.Sqrt(Math.Log(1 + (Multipliers.Spread[d] * Multipliers.Spread[d])));
            values[250].ShouldBe(0, sigma * 0.02);
            values.Average().ShouldBe(0, sigma * 0.01);
            Math.Sqrt(values.Average(v => v * v)).ShouldBe(sigma, sigma * 0.03);
            // Latin hypercube: a tenth of the members in each tenth of the spread.
            values[50].ShouldBe(-1.2816 * sigma, sigma * 0.03);
            values[450].ShouldBe(1.2816 * sigma, sigma * 0.03);
        }

        ensemble.Weights.Sum().ShouldBe(1, 1e-9);
        ensemble.EffectiveSize.ShouldBe(500, 1e-6);
    }

    [Fact]
    public void Members_taken_in_by_degrees_give_the_posterior_that_algebra_gives_and_never_die_out()
    {
        var sigma = Math.Sqrt(Math.Log(1 + (0.35 * 0.35)));
        // One multiplier measured as 0.6 ± 0.02: normal prior times normal likelihood, so sharp that of a plain draw some ten members would
        // be left.
        var (members, misfits) = Ensemble.Draw(4000, 3).Tempered(l => Math.Pow((l[0] - 0.6) / 0.02, 2), 5);

        var precision = (1 / (sigma * sigma)) + (1 / 0.0004);
        members.Mean()[0].ShouldBe(0.6 / 0.0004 / precision, 0.003);
        double Variance(int d) =>
            Enumerable.Range(0, members.Count).Sum(i => members.Weights[i] * Math.Pow(members.Logs[i][d] - members.Mean()[d], 2));
        Math.Sqrt(Variance(0)).ShouldBe(Math.Sqrt(1 / precision), 0.002);
        members.Mean()[1].ShouldBe(0, 0.03); // what was not measured is as it was
        Math.Sqrt(Variance(1)).ShouldBe(sigma, 0.03);
        members.EffectiveSize.ShouldBeGreaterThan(400);
        misfits.Length.ShouldBe(4000);
    }

    [Property(MaxTest = 60)]
    public void Quantiles_never_cross_and_lie_among_the_values(byte[] bytes)
    {
        var values = bytes.Select(b => (double)b).Concat([1.0, 2.0, 3.0]).Order().ToArray();
        var weights = values.Select((_, i) => 1.0 + (i % 4)).ToArray();
        var sum = weights.Sum();
        weights = [.. weights.Select(w => w / sum)];
        var shares = new[] { 0.01, 0.1, 0.25, 0.5, 0.75, 0.9, 0.99 };
        var quantiles = shares.Select(s => Ensemble.AtShare(values, weights, s)).ToArray();

        quantiles.ShouldBe(quantiles.Order());
        quantiles[0].ShouldBeGreaterThanOrEqualTo(values[0]);
        quantiles[^1].ShouldBeLessThanOrEqualTo(values[^1]);
    }

    [Theory]
    [InlineData(10, 5, 15)]
    [InlineData(20, 5, 15)]
    [InlineData(28, 19, 40)]
    [InlineData(15, 2, 0)]
    public void Stopping_past_the_peak_finds_the_same_ready_time_as_running_all_hours(double warmth, double air, double fish)
    {
        var setup = (BrewRunTests.Bucket with {
            TemperatureC = warmth,
            AirLpm = air,
            Foods = [new FoodAmount { Kind = "fishHydrolysate", Ml = fish }],
            Hours = 24
        }).MakeReady().Setup!;
        var trace = new BrewTrace();
        setup.Solve(Multipliers.Table, setup.Horizon, 1e-6, trace);
        var whole = BrewRun.ReadyAt(trace, setup.Horizon);
        setup.SolvePastPeak(Multipliers.Table, 1e-6, trace);
        BrewRun.ReadyAt(trace, setup.Horizon)!.Value.ShouldBe(whole!.Value, 1e-3);
        trace.End.ShouldBeLessThanOrEqualTo(setup.Horizon);
    }

    [Fact]
    public void Dense_output_agrees_with_a_run_that_steps_there()
    {
        var setup = BrewRunTests.Bucket.MakeReady().Setup!;
        var (loose, tight) = (new BrewTrace(), new BrewTrace());
        setup.Solve(Multipliers.Table, 48, 1e-6, loose);
        setup.Solve(Multipliers.Table, 48, 1e-10, tight);
        for (var h = 0.37; h < 48; h += 1.73)
        {
            loose.At(h).O.ShouldBe(tight.At(h).O, 1e-3);
            loose.At(h).Cells.ShouldBe(tight.At(h).Cells, 1e-2);
        }
    }

    [Fact]
    public void The_warmth_curve_is_one_at_its_best_and_nothing_outside_its_ends()
    {
        BrewClimate.CardinalTemperature(33, 2, 33, 43).ShouldBe(1, 1e-12);
        BrewClimate.CardinalTemperature(27, 2, 27, 36).ShouldBe(1, 1e-12);
        BrewClimate.CardinalTemperature(2, 2, 33, 43).ShouldBe(0);
        BrewClimate.CardinalTemperature(43, 2, 33, 43).ShouldBe(0);
        BrewClimate.CardinalTemperature(44, 2, 33, 43).ShouldBe(0);
    }

    [Fact]
    public void A_daily_swing_comes_round_again_each_day()
    {
        double Warmth(double h) => 17 + (5 * Math.Sin(2 * Math.PI * (h + 18 - 9) / 24));
        var swing = BrewClimate.Over(Warmth, 24, 1, comesRound: true);
        foreach (var h in new[] { 0.0, 3.3, 11.9, 23.99 })
        {
            swing.At(h + 72).GrowthB.ShouldBe(swing.At(h).GrowthB, 1e-9);
            swing.At(h).OxygenFull.ShouldBe(BrewClimate.Constant(Warmth(h), 1).At(0).OxygenFull, 1e-3);
        }
    }

    [Fact]
    public void More_air_from_an_hour_on_lifts_what_comes_after_and_nothing_before()
    {
        var setup = BrewRunTests.Bucket.MakeReady().Setup!;
        var more = setup with { AirChanges = [(8, setup.KLa20 * 2)] };
        var (plain, lifted) = (new BrewTrace(), new BrewTrace());
        setup.Solve(Multipliers.Table, 24, 1e-7, plain);
        more.Solve(Multipliers.Table, 24, 1e-7, lifted);
        lifted.At(7.9).O.ShouldBe(plain.At(7.9).O, 1e-4);
        lifted.At(12).O.ShouldBeGreaterThan(plain.At(12).O + 0.8);
    }

    [Theory]
    [InlineData("fish hydrolysate", "fishHydrolysate")]
    [InlineData("Kelp, liquid", "kelpLiquid")]
    [InlineData("kelp-soluble-powder", "kelpPowder")]
    [InlineData("OATFLOUR", "oatFlour")]
    public void Foods_are_known_by_what_people_call_them(string said, string kind) => Ingredients.Food(said)!.Kind.ShouldBe(kind);

    [Fact]
    public void What_is_not_known_is_not_guessed()
    {
        Ingredients.Food("manure").ShouldBeNull();
        Ingredients.Source(null).ShouldBeNull();
        Ingredients.Diffuser("bellows").ShouldBeNull();
        Ingredients.Diffuser("membrane")!.Kind.ShouldBe("fineMembrane");
    }
}
