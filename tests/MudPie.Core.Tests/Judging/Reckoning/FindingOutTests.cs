using FsCheck.Xunit;
using MathNet.Numerics.Distributions;
using MudPie.Core.Judging.Reckoning;

namespace MudPie.Core.Tests.Judging.Reckoning;

/// <summary>What a doubt is worth, against a simulation of the same decision.</summary>
public class FindingOutTests
{
    private static WorthQuestion Q(double mean, double se, double trial, double hectares = 1, double years = 1, double cost = 0) =>
        new() { MeanPerHa = mean, SePerHa = se, NewSePerHa = trial, Hectares = hectares, Years = years, CostOfTrial = cost };

    [Theory]
    [InlineData(1490, 1580, 1100, 0.02, 5)]
    [InlineData(-300, 600, 250, 1.4, 3)]
    [InlineData(0, 100, 50, 1, 1)]
    [InlineData(-900, 400, 900, 0.5, 10)]
    [InlineData(250, 90, 30, 2, 4)]
    public void Is_what_a_grower_gains_who_tries_and_then_does_what_the_trial_says(double mean, double se, double trial, double ha,
        double years)
    {
        // Nature draws the truth, the trial sees it with its error, the grower weighs both and uses the thing only where that is above
        // nought; against one who never tries, and uses it where it was thought to pay.
        var told = FindingOut.Of(Q(mean, se, trial, ha, years)).Value;
        var random = new Random(20_261);
        var (gains, knows, pays, n) = (0.0, 0.0, 0, 400_000);
        var weight = se * se / ((se * se) + (trial * trial));
        for (var i = 0; i < n; i++)
        {
            var truth = Normal.Sample(random, mean, se);
            var after = mean + (weight * (Normal.Sample(random, truth, trial) - mean));
            var without = mean > 0 ? truth : 0;
            gains += (after > 0 ? truth : 0) - without;
            knows += Math.Max(truth, 0) - without;
            pays += truth > 0 ? 1 : 0;
        }

        var (scale, near) = (ha * years, 5 * se * ha * years / Math.Sqrt(n));
        (gains / n * scale).ShouldBe(told.WorthOfTrial, near);
        (knows / n * scale).ShouldBe(told.WorthOfKnowing, near);
        ((double)pays / n).ShouldBe(told.ChanceItPays, 0.005);
    }

    [Property(MaxTest = 200)]
    public void A_trial_is_never_worth_more_than_the_truth_nor_less_than_nothing(short mean, ushort se, ushort trial)
    {
        var told = FindingOut.Of(Q(mean, se + 1, trial)).Value;
        told.WorthOfTrial.ShouldBeInRange(0, told.WorthOfKnowing + 1e-9);
        told.ChanceItPays.ShouldBeInRange(0, 1);
        FindingOut.Of(Q(mean, se + 1, trial + 50)).Value.WorthOfTrial.ShouldBeLessThanOrEqualTo(told.WorthOfTrial + 1e-9);
        FindingOut.Of(Q(-mean, se + 1, trial)).Value.WorthOfKnowing.ShouldBe(told.WorthOfKnowing, 1e-9); // either mistake costs alike
    }

    [Property(MaxTest = 100)]
    public void Twice_the_ground_or_the_years_is_twice_the_worth(short mean, ushort se, ushort trial)
    {
        var one = FindingOut.Of(Q(mean, se + 1, trial, 0.3, 4)).Value;
        FindingOut.Of(Q(mean, se + 1, trial, 0.6, 4)).Value.WorthOfTrial.ShouldBe(2 * one.WorthOfTrial, 1e-6);
        FindingOut.Of(Q(mean, se + 1, trial, 0.3, 8)).Value.WorthOfKnowing.ShouldBe(2 * one.WorthOfKnowing, 1e-6);
    }

    [Fact]
    public void A_trial_without_error_is_worth_the_truth_and_its_cost_is_taken_off()
    {
        var told = FindingOut.Of(Q(-200, 300, 0, 2, 3, 40)).Value;
        told.WorthOfTrial.ShouldBe(told.WorthOfKnowing, 1e-9);
        told.Net.ShouldBe(told.WorthOfTrial - 40, 1e-9);
    }

    [Theory]
    [InlineData(0, 1, 1, 1, 0, "sePerHa")]
    [InlineData(-3, 1, 1, 1, 0, "sePerHa")]
    [InlineData(1, -1, 1, 1, 0, "newSePerHa")]
    [InlineData(1, 1, 0, 1, 0, "hectares")]
    [InlineData(1, 1, 1, 0, 0, "years")]
    [InlineData(1, 1, 1, -2, 0, "years")]
    [InlineData(1, 1, 1, 1, -1, "costOfTrial")]
    [InlineData(double.NaN, 1, 1, 1, 0, "sePerHa")]
    [InlineData(1, double.PositiveInfinity, 1, 1, 0, "newSePerHa")]
    public void What_has_no_sense_is_refused_by_name(double se, double trial, double ha, double years, double cost, string field) =>
        FindingOut.Of(Q(1, se, trial, ha, years, cost)).Refused!.Problems.ShouldContain(p => p.Field == field);

    [Fact]
    public void Nothing_given_is_asked_for_all_at_once() => FindingOut.Of(new WorthQuestion()).Refused!.Problems.Select(p => p.Field)
        .ShouldBe(["meanPerHa", "sePerHa", "newSePerHa", "hectares", "years", "costOfTrial"]);
}
