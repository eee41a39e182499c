using FsCheck.Xunit;
using MudPie.Core.Measures;

namespace MudPie.Core.Tests.Measures;

/// <summary>Amounts typed as people say them, and spoons with their rounding error.</summary>
public class AmountTextTests
{
    [Theory]
    [InlineData("half a cup", 0.125)]
    [InlineData("Half cup", 0.125)]
    [InlineData("a cup", 0.25)]
    [InlineData("a quarter of a cup", 0.0625)]
    [InlineData("three quarters of a cup", 0.1875)]
    [InlineData("one and a half cups", 0.375)]
    [InlineData("two tablespoons", 0.03)]
    [InlineData("2 US gal", 7.570823568)]
    [InlineData("1,234.5 ml", 1.2345)]
    [InlineData("1.234,5 ml", 1.2345)]
    [InlineData("1 500 ml", 1.5)]
    [InlineData("1,234,567 ml", 1234.567)]
    [InlineData("0,250 l", 0.25)]
    [InlineData("1 1/2 tbsp", 0.0225)]
    [InlineData("1½ tbsp", 0.0225)]
    [InlineData("½ tsp", 0.0025)]
    [InlineData("3/4 cup", 0.1875)]
    [InlineData("3 l", 3)]
    [InlineData("3L", 3)]
    [InlineData("3", 3)]
    [InlineData("1,5 l", 1.5)]
    [InlineData(".5 l", 0.5)]
    [InlineData("250ml", 0.25)]
    [InlineData("8 US fl oz", 0.2365882365)]
    [InlineData("1 imp pt", 0.56826125)]
    [InlineData("2 imp gal", 9.09218)]
    public void Volumes_are_read_as_they_are_said(string typed, double litres) =>
        AmountText.Read("amount", typed, Dimension.Volume).Value.Si.ShouldBe(litres, 1e-9);

    [Theory]
    [InlineData("1 cup", 0.2365882365)]
    [InlineData("2", 7.570823568)] // a bare number is in gallons
    public void A_US_holding_has_US_cups(string typed, double litres) =>
        AmountText.Read("amount", typed, Dimension.Volume, UnitSystem.UsCustomary).Value.Si.ShouldBe(litres, 1e-9);

    [Theory]
    [InlineData("68 F", Dimension.Temperature, 20)]
    [InlineData("-3", Dimension.Temperature, -3)]
    [InlineData("1.4 ha", Dimension.Area, 14000)]
    [InlineData("400 sq ft", Dimension.Area, 37.161216)]
    [InlineData("12 in", Dimension.Length, 0.3048)]
    [InlineData("2 cfm", Dimension.Flow, 56.633693184)]
    [InlineData("3 psi", Dimension.Pressure, 20.684271879)]
    [InlineData("0.02 MPa", Dimension.Pressure, 20)]
    [InlineData("0.6 ppm", Dimension.Concentration, 0.6)]
    [InlineData("half a pound", Dimension.Mass, 226.796185)]
    [InlineData("9 F", Dimension.TemperatureSpan, 5)]
    public void Other_kinds_too(string typed, Dimension dimension, double si) =>
        AmountText.Read("amount", typed, dimension).Value.Si.ShouldBe(si, 1e-6);

    [Theory]
    [InlineData("", "Nothing")]
    [InlineData("some", "no number")]
    [InlineData("NaN", "no number")]
    [InlineData("3 furlongs", "not a unit")]
    [InlineData("1,000 l", "as 1 or as 1000")]
    [InlineData("1.000 l", "as 1 or as 1000")]
    [InlineData("2.500 l", "as 2.5 or as 2500")]
    [InlineData("-1/2 cup", "below nothing")]
    [InlineData("- 1 1/2 cup", "no number")]
    [InlineData("1,2,3 l", "no number")]
    [InlineData("٣ l", "no number")]
    [InlineData("-2 l", "below nothing")]
    [InlineData("1/0 cup", "no number")]
    [InlineData("1e400 l", "no number")]
    [InlineData("3 kg", "not a unit")]
    public void What_cannot_be_read_is_refused_with_a_way_out(string typed, string says)
    {
        var problem = AmountText.Read("fish", typed, Dimension.Volume).Refused!.Problems[0];
        problem.Field.ShouldBe("fish");
        problem.Wrong.ShouldContain(says);
        problem.WayOut.ShouldNotBeEmpty();
    }

    [Theory]
    [InlineData("2 gal", "7.57 L", "9.09 L")]
    [InlineData("1 pint", "473 mL", "568 mL")]
    [InlineData("1 quart", "946 mL", "1.14 L")]
    [InlineData("10 fl oz", "296 mL", "284 mL")]
    public void A_gallon_is_asked_about_once_and_then_said(string typed, string us, string imperial)
    {
        var asked = AmountText.Read("brew", typed, Dimension.Volume).Refused!.Problems[0];
        asked.Ask.ShouldBe("gallons");
        asked.Wrong.ShouldContain(us);
        asked.Wrong.ShouldContain(imperial);
        AmountText.Read("brew", typed, Dimension.Volume, UnitSystem.MetricUsGallons).Value.Shown.ShouldStartWith($"{us} (US ");
        AmountText.Read("brew", typed, Dimension.Volume, UnitSystem.MetricImperialGallons).Value.Shown.ShouldStartWith($"{imperial} (imp ");
        AmountText.Read("brew", typed, Dimension.Volume, UnitSystem.UsCustomary).Refused.ShouldBeNull();
    }

    [Theory]
    [InlineData("1,250", 1.25, 1250.0)]
    [InlineData("1.250", 1.25, 1250.0)]
    [InlineData("12,5", 12.5, null)]
    [InlineData("0.125", 0.125, null)]
    [InlineData("1000,500", 1000.5, null)]
    [InlineData("1e3", 1000.0, null)]
    [InlineData("1'250", 1250.0, null)]
    public void A_number_is_read_one_way_or_asked_about(string typed, double value, double? other) =>
        TypedNumber.Of(typed).ShouldBe(new TypedNumber(value, other));

    [Fact]
    public void In_a_file_that_a_program_wrote_a_point_is_decimal()
    {
        TypedNumber.Of("1.250", pointIsDecimal: true).ShouldBe(new TypedNumber(1.25));
        TypedNumber.Of("1,250", pointIsDecimal: true).Other.ShouldBe(1250);
    }

    [Property(MaxTest = 300)]
    public void Whatever_is_typed_nothing_breaks_and_nothing_is_NaN(string typed)
    {
        var read = AmountText.Read("amount", typed, Dimension.Volume);
        if (read.Refused is null)
        {
            double.IsFinite(read.Value.Si).ShouldBeTrue();
            read.Value.Si.ShouldBeGreaterThanOrEqualTo(0);
        }
    }

    [Theory]
    [InlineData(0.015, "1 tbsp")]
    [InlineData(0.0225, "1 tbsp + 1 tsp + ½ tsp")]
    [InlineData(0.125, "½ cup")]
    [InlineData(2.65, "2 jugs (1 L) + 2 cups + ½ cup")]
    [InlineData(0, "none")]
    public void Spoons_and_jugs(double litres, string words) =>
        Spoons.InTools(new Litres(litres), UnitSystem.Metric).Text.ShouldBe(words);

    [Property(MaxTest = 200)]
    public void Rounding_to_tools_is_never_more_than_half_a_small_spoon_off_and_says_so(ushort tenthsOfMl)
    {
        var ml = 1.25 + (tenthsOfMl / 10.0);
        foreach (var system in Enum.GetValues<UnitSystem>())
        {
            var tools = Spoons.InTools(Litres.FromMillilitres(ml), system);
            tools.ErrorShare.ShouldBe(((tools.RoundedL * 1000) - ml) / ml, 1e-9);
            // Half of the smallest spoon, or a tenth.
            Math.Abs(tools.ErrorShare).ShouldBeLessThanOrEqualTo(Math.Max(0.1, 0.6252 / ml));
        }
    }

    [Theory]
    [InlineData(0.015, Dimension.Volume, UnitSystem.Metric, "15 mL")]
    [InlineData(0.015, Dimension.Volume, UnitSystem.UsCustomary, "0.507 fl oz")]
    [InlineData(17, Dimension.Volume, UnitSystem.UsCustomary, "4.49 gal")]
    [InlineData(20, Dimension.Temperature, UnitSystem.UsCustomary, "68 °F")]
    [InlineData(14000, Dimension.Area, UnitSystem.Metric, "1.4 ha")]
    public void Answers_come_in_the_units_chosen(double si, Dimension dimension, UnitSystem system, string shown) =>
        Units.Show(si, dimension, system).ShouldBe(shown);

    [Fact]
    public void A_measure_never_holds_what_is_no_measure()
    {
        Should.Throw<ArgumentOutOfRangeException>(() => new Litres(double.NaN));
        Should.Throw<ArgumentOutOfRangeException>(() => new Kilopascals(-1));
        Should.Throw<ArgumentOutOfRangeException>(() => new Brix(400));
        Should.Throw<ArgumentOutOfRangeException>(() => new Metres(double.PositiveInfinity));
    }
}
