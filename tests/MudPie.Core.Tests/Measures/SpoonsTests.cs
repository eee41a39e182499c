using MudPie.Core.Measures;

namespace MudPie.Core.Tests.Measures;

public class SpoonsTests
{
    [Theory]
    [InlineData(37.5, "2 tbsp + 1 tsp + ½ tsp", "exact")]
    [InlineData(250, "1 cup", "exact")]
    [InlineData(125, "½ cup", "exact")]
    [InlineData(500, "2 cups", "exact")]
    [InlineData(1000, "1 jug (1 L)", "exact")]
    [InlineData(12_000, "1 bucket (10 L) + 2 jugs (1 L)", "exact")]
    [InlineData(25_000, "2 buckets (10 L) + 5 jugs (1 L)", "exact")]
    [InlineData(15, "1 tbsp", "exact")]
    [InlineData(5.1, "1 tsp", "2 % short")]
    [InlineData(14.8, "1 tbsp", "1.4 % over")]
    [InlineData(2.5, "½ tsp", "exact")]
    [InlineData(1.25, "¼ tsp", "exact")]
    [InlineData(1, "¼ tsp", "25 % over")]
    [InlineData(0.7, "¼ tsp", "79 % over")]
    public void In_the_fewest_tools_that_come_within_three_in_a_hundred(double ml, string text, string error)
    {
        var amount = Spoons.InTools(Litres.FromMillilitres(ml), UnitSystem.Metric);
        amount.Text.ShouldBe(text);
        Spoons.ErrorText(amount.ErrorShare).ShouldBe(error);
        amount.WithError.ShouldBe($"{text} ({error})");
        amount.RoundedL.ShouldBe(ml / 1000 * (1 + amount.ErrorShare), 1e-12);
    }

    [Theory]
    [InlineData(3785.411784, "1 gallon")]
    [InlineData(7570.823568, "2 gallons")]
    [InlineData(946.352946, "1 quart")]
    [InlineData(236.5882365, "1 cup")]
    [InlineData(118.29411825, "½ cup")]
    [InlineData(14.78676478125, "1 tbsp")]
    [InlineData(4.92892159375, "1 tsp")]
    [InlineData(2.464460796875, "½ tsp")]
    [InlineData(1.2322303984375, "¼ tsp")]
    public void Us_tools_have_their_own_sizes(double ml, string text)
    {
        var amount = Spoons.InTools(Litres.FromMillilitres(ml), UnitSystem.UsCustomary);
        amount.Text.ShouldBe(text);
        amount.ErrorShare.ShouldBe(0, 1e-9);
    }

    [Theory]
    [InlineData(0, "none")]
    [InlineData(0.624, "too little for a spoon: weigh it, or thin it first")]
    public void Nothing_and_less_than_a_spoon_hold_no_error(double ml, string text)
    {
        var amount = Spoons.InTools(Litres.FromMillilitres(ml), UnitSystem.Metric);
        (amount.Text, amount.RoundedL, amount.WithError).ShouldBe((text, 0, text));
    }

    [Fact]
    public void Half_of_the_smallest_spoon_is_a_spoon() =>
        Spoons.InTools(Litres.FromMillilitres(0.625), UnitSystem.Metric).Text.ShouldBe("¼ tsp");

    [Theory]
    [InlineData(0.0004, "exact")]
    [InlineData(-0.0004, "exact")]
    [InlineData(0.02, "2 % over")]
    [InlineData(-0.015, "1.5 % short")]
    public void The_error_in_words(double share, string words) => Spoons.ErrorText(share).ShouldBe(words);

    [Fact]
    public void Whatever_the_amount_it_takes_at_most_three_kinds_and_is_never_far_off()
    {
        for (var ml = 2.5; ml < 30_000; ml *= 1.07)
        {
            var amount = Spoons.InTools(Litres.FromMillilitres(ml), UnitSystem.Metric);
            amount.Text.Split(" + ").Length.ShouldBeInRange(1, 3, $"{ml}");
            Math.Abs(amount.ErrorShare).ShouldBeLessThan(0.2, $"{ml} mL as {amount.Text}");
        }
    }

    [Fact]
    public void No_measure_is_below_nothing_or_not_a_number()
    {
        Action[] none =
        [
            () => _ = new Litres(-0.1), () => _ = new Litres(double.NaN), () => _ = new MilligramsPerLitre(-1),
            () => _ = new SquareMetres(-1), () => _ = new LitresPerMinute(double.PositiveInfinity), () => _ = new Kilopascals(-1),
            () => _ = new Metres(double.NaN), () => _ = new Brix(-1.01), () => _ = new Brix(40.01), () => _ = new Brix(double.NaN),
        ];
        foreach (var make in none)
        {
            make.ShouldThrow<ArgumentOutOfRangeException>();
        }

        (new Litres(0).Value, new Metres(-3).Value, new Brix(-1).Value, new Brix(40).Value, new SquareMetres(14_000).Value)
            .ShouldBe((0, -3, -1, 40, 14_000));
    }
}
