using MudPie.Core.Judging.Statistics;

namespace MudPie.Core.Tests.Judging;

public class EstimateTests
{
    [Fact]
    public void A_mean_is_known_by_its_own_spread()
    {
        var known = Estimate.Of([8, 9, 10]);
        (known.Mean, known.Df).ShouldBe((9.0, 2.0));
        known.Variance.ShouldBe(1.0 / 3, 1e-12);
        known.Half().ShouldBe(4.302653 / Math.Sqrt(3), 1e-6); // t of 2 degrees at 97.5 %, from any table
        Estimate.Of([7]).Variance.ShouldBe(double.NaN);
    }

    [Fact]
    public void Figures_that_agree_stray_at_least_by_the_grain_they_were_read_to()
    {
        Estimate.Of([9, 9, 9, 9], 0.2).Variance.ShouldBe(0.01, 1e-12);
        Estimate.Of([9, 9, 9, 9]).Variance.ShouldBe(0);
        Estimate.Of([8, 9, 10], 0.2).Variance.ShouldBe(1.0 / 3, 1e-12);
    }

    [Fact]
    public void A_difference_takes_both_spreads_and_the_degrees_of_freedom_of_Satterthwaite()
    {
        // Worked by hand: 4 and 1 of variance on 5 and 10 figures: (4 + 1)² ÷ (16 ÷ 4 + 1 ÷ 9) = 6.0811.
        var apart = new Estimate(12, 4, 4).Less(new Estimate(10, 1, 9));
        (apart.Mean, apart.Variance).ShouldBe((2.0, 5.0));
        apart.Df.ShouldBe(6.0811, 1e-4);
        apart.Se.ShouldBe(Math.Sqrt(5), 1e-12);
        new Estimate(12, 0, 4).Less(new Estimate(10, 0, 9)).Df.ShouldBe(13);
        apart.Half(0.01).ShouldBeGreaterThan(apart.Half());
    }
}
