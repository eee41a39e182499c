using MudPie.Core.Measures;

namespace MudPie.Core.Tests.Measures;

public class PerTests
{
    private const UnitSystem M = UnitSystem.Metric, Us = UnitSystem.UsCustomary;

    [Theory]
    [InlineData(M, "on 100 m²", "a hectare", "a m²")]
    [InlineData(Us, "on 1,000 sq ft", "an acre", "a sq ft")]
    [InlineData(UnitSystem.MetricUsGallons, "on 100 m²", "a hectare", "a m²")]
    public void Grounds_are_named_as_the_holding_names_them(UnitSystem units, string small, string large, string square) =>
        (Per.SmallArea(units), Per.LargeArea(units), Per.Square(units)).ShouldBe((small, large, square));

    [Fact]
    public void Figures_over_ground_by_nist_s_foot_and_acre()
    {
        Per.Small(12.92, Us).ShouldBe(12.0030728, 1e-6);
        Per.Large(1, Us).ShouldBe(0.40468564224, 1e-12);
        Per.LargeSi(1, Us).ShouldBe(2.4710538, 1e-6);
        Per.SquareSi(1, Us).ShouldBe(10.7639104, 1e-6);
        (Per.Small(12.92, M), Per.Large(3, M), Per.LargeSi(3, M), Per.SquareSi(3, M)).ShouldBe((12.92, 3, 3, 3));
    }

    [Theory]
    [InlineData(M, "1 L a m²", "10 L on 100 m²", "300 L a hectare")]
    [InlineData(Us, "3.14 fl oz a sq ft", "2.45 gal on 1,000 sq ft", "32.1 gal an acre")]
    public void Litres_over_ground(UnitSystem units, string square, string small, string large)
    {
        Per.Square(1, Dimension.Volume, units).ShouldBe(square);
        Per.Small(10, Dimension.Volume, units).ShouldBe(small);
        Per.Large(300, Dimension.Volume, units).ShouldBe(large);
    }

    [Theory]
    [InlineData(M, "10 mm", "6 m/s", "7 cm", "0.25 L/min per litre", "6 mL per litre", "13 mm")]
    [InlineData(Us, "0.39 in", "13 mph", "2.8 in", "0.033 cfm per gallon", "0.77 fl oz per gallon", "0.51 in")]
    public void Rain_wind_ground_air_mix_and_hose(UnitSystem units, string rain, string wind, string ground, string air, string mix,
        string hose)
    {
        Per.Depth(10, units).ShouldBe(rain);
        Per.Wind(6, units).ShouldBe(wind);
        Per.Centimetres(7, units).ShouldBe(ground);
        Per.Air(0.25, units).ShouldBe(air);
        Per.Mixed(6, units).ShouldBe(mix);
        Per.Millimetres(13, units).ShouldBe(hose);
    }

    [Theory]
    [InlineData(1.79, "mL", M, "1.79 mL")]
    [InlineData(2_115_142, "g", M, "2115 kg")]
    [InlineData(30, "mL", Us, "1.01 fl oz")]
    [InlineData(30, "g", Us, "1.06 oz")]
    public void So_much_of_a_product(double amount, string unit, UnitSystem units, string shown) =>
        Per.Product(amount, unit, units).ShouldBe(shown);

    [Theory]
    [InlineData("L", M, "litre", 9.40, "9.40 a litre", 1)]
    [InlineData("kg", M, "kilo", 9.40, "9.40 a kilo", 1)]
    [InlineData("L", Us, "gallon", 35.5828708, "35.58 a gallon", 0.10690663)]
    [InlineData("kg", Us, "pound", 4.26376828, "4.26 a pound", 0.89217912)]
    public void Prices_by_what_the_holding_buys(string unit, UnitSystem units, string by, double price, string shown, double onLarge)
    {
        Per.PricedBy(unit, units).ShouldBe(by);
        Per.Price(9.40, unit, units).ShouldBe(price, 1e-6);
        Per.PriceSi(price, unit, units).ShouldBe(9.40, 1e-6);
        Per.PriceShown(9.40, unit, units).ShouldBe(shown);
        Per.ProductOnLarge(unit, units).ShouldBe(onLarge, 1e-7);
    }

    [Fact]
    public void What_spoons_measure_is_told_of_an_area_that_they_still_do()
    {
        Per.Spooned(25.4, Dimension.Mass, M).ShouldBe("25.4 g a m²");
        Per.Spooned(25.4, Dimension.Mass, Us).ShouldBe("0.832 oz on 10 sq ft");
        Per.SpoonedM2(Us).ShouldBe(0.92903, 1e-5);
    }

    [Theory]
    [InlineData("180 L of water; 12 °C, wind 2 m/s", M, Us, "47.6 gal of water; 53.6 °F, wind 4.5 mph")]
    [InlineData("6 L/min at 20 kPa, 2 kg, 10 mm, 30 mL", M, Us, "0.212 cfm at 2.9 psi, 4.41 lb, 0.39 in, 1.01 fl oz")]
    [InlineData("1,000 L", M, Us, "264 gal")]
    [InlineData("100 kg/ha, 10 kg there", M, Us, "89.2 lb an acre, 22 lb there")]
    [InlineData("-5 °C", M, Us, "23 °F")]
    [InlineData("0.6 mg/L, 5 mL/L, 3 g/L, 300 L/ha", M, Us, "0.6 mg/L, 5 mL/L, 3 g/L, 300 L/ha")] // the field's own words
    [InlineData("10 gal at 68 °F, 3 psi, 1 cfm, 2 lb, 10 mph, 2 fl oz", Us, M,
        "37.9 L at 20 °C, 20.7 kPa, 28.3 L/min, 907 g, 4.5 m/s, 59.1 mL")]
    [InlineData("180 L of water", M, M, "180 L of water")]
    [InlineData("10 gal", Us, Us, "10 gal")]
    [InlineData("bed 4 Lot 7 L7", M, Us, "bed 4 Lot 7 L7")]
    public void A_sentence_kept_in_other_units_is_said_in_these(string sentence, UnitSystem _, UnitSystem to, string said) =>
        InUnits.Say(sentence, to).ShouldBe(said);

    [Theory]
    [InlineData("64 F", "17.8 °C", "typed “64 F”")]
    [InlineData("6.7", "6.7 mg/L", null)]
    [InlineData("6,7", "6.7 mg/L", null)]
    [InlineData("20 C", "20 °C", null)]
    [InlineData("5 gal", "18.9 L", "typed “5 gal”")]
    [InlineData("", "18.9 L", null)]
    [InlineData(null, "18.9 L", null)]
    public void What_was_typed_is_said_beside_only_where_it_says_more(string? typed, string shown, string? beside) =>
        AsTyped.Beside(typed, shown).ShouldBe(beside);
}
