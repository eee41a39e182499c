using MudPie.Core.Measures;

namespace MudPie.Core.Tests.Measures;

/// <summary>What an amount field says no to, and what it says beside its figure.</summary>
public class AmountRefusalTests
{
    [Theory]
    [InlineData("2 kg", 0.5, 4)] // compost
    [InlineData("2000 g", 0.5, 4)]
    [InlineData("3 L", 0.5, 3)]
    [InlineData("3", 0.5, 3)] // a bare number is a volume
    [InlineData("1.2 kg", 0.8, 1.5)]
    public void A_loose_stuff_is_read_by_volume_or_by_weight(string typed, double kgPerLitre, double litres) =>
        AmountText.ReadLoose("source", typed, kgPerLitre).Value.Si.ShouldBe(litres, 1e-12);

    [Fact]
    public void What_was_weighed_says_how_it_became_a_volume()
    {
        var amount = AmountText.ReadLoose("source", "2 kg", 0.5).Value;
        amount.Typed.ShouldBe("2 kg");
        amount.Shown.ShouldBe("4 L, from 2 kg at 0.5 kg a litre");
        amount.InTools.ShouldBe("4 jugs (1 L) (exact)");
        AmountText.ReadLoose("source", "2 bags", 0.5).Refused!.Problems[0].Wrong.ShouldBe("“bags” is not a unit that fits here.");
    }

    [Theory]
    [InlineData("5 bags", Dimension.Volume, "“bags” is not a unit that fits here.", "Use L, mL, m³, US gal, US qt, US pt.")]
    [InlineData("5 bags", Dimension.Concentration, "“bags” is not a unit that fits here.", "Use mg/L.")]
    [InlineData("5 bags", Dimension.Plain, "“bags” is not a unit that fits here.", "Give the number alone.")]
    [InlineData("-5 L", Dimension.Volume, "-5 L is below nothing.", "Give zero or more.")]
    [InlineData("-1 g", Dimension.Mass, "-1 g is below nothing.", "Give zero or more.")]
    public void A_unit_that_does_not_fit_is_told_those_that_do(string typed, Dimension dimension, string wrong, string wayOut)
    {
        var problem = AmountText.Read("amount", typed, dimension, UnitSystem.Metric).Refused!.Problems.ShouldHaveSingleItem();
        (problem.Field, problem.Wrong, problem.WayOut).ShouldBe(("amount", wrong, wayOut));
    }

    [Theory]
    [InlineData("-5 c", Dimension.Temperature, -5)]
    [InlineData("-3 m", Dimension.Length, -3)] // below the sea
    [InlineData("-1", Dimension.Plain, -1)]
    [InlineData("0 L", Dimension.Volume, 0)]
    public void Below_nothing_only_where_that_means_something(string typed, Dimension dimension, double si) =>
        AmountText.Read("amount", typed, dimension, UnitSystem.Metric).Value.Si.ShouldBe(si);

    [Fact]
    public void Sixty_signs_are_taken_and_one_more_is_not()
    {
        AmountText.Read("amount", "5" + new string(' ', 57) + " L", Dimension.Volume, UnitSystem.Metric).Value.Si.ShouldBe(5);
        AmountText.Read("amount", "5" + new string(' ', 58) + " L", Dimension.Volume, UnitSystem.Metric).Refused!.Problems[0].Wrong
            .ShouldBe("That is too long for an amount.");
    }

    [Fact]
    public void Only_a_volume_is_told_in_tools()
    {
        AmountText.Read("amount", "15 mL", Dimension.Volume, UnitSystem.Metric).Value.InTools.ShouldBe("1 tbsp");
        AmountText.Read("amount", "15 g", Dimension.Mass, UnitSystem.Metric).Value.InTools.ShouldBeNull();
    }

    [Theory]
    [InlineData("1 us gal", "3.79 L (US gal)")]
    [InlineData("1 imp gal", "4.55 L (imp gal)")]
    [InlineData("1 L", "1 L")]
    public void Whose_gallon_it_was_stands_beside_it(string typed, string shown) =>
        AmountText.Read("amount", typed, Dimension.Volume, UnitSystem.Metric).Value.Shown.ShouldBe(shown);

    [Theory]
    [InlineData("½ tsp", 0.0025)]
    [InlineData("1½ tsp", 0.0075)]
    [InlineData("1 1/2 tsp", 0.0075)]
    [InlineData("half a cup", 0.125)]
    [InlineData("a third of a cup", 0.25 / 3)]
    [InlineData("two thirds of a cup", 0.5 / 3)]
    [InlineData("a quarter cup", 0.0625)]
    [InlineData("a cup", 0.25)]
    [InlineData("a litre.", 1)]
    public void Parts_in_signs_and_in_words(string typed, double litres) =>
        AmountText.Read("amount", typed, Dimension.Volume, UnitSystem.Metric).Value.Si.ShouldBe(litres, 1e-12);
}
