using MudPie.Core.Measures;

namespace MudPie.Core.Tests.Measures;

/// <summary>Every unit that a field understands, against NIST Handbook 44, SP 811 and the Weights and Measures Act 1985.</summary>
public class UnitTableTests
{
    [Theory]
    [InlineData("1 l", 1)]
    [InlineData("1 litre", 1)]
    [InlineData("2 liters", 2)]
    [InlineData("3 ltr", 3)]
    [InlineData("250 ml", 0.25)]
    [InlineData("250 millilitres", 0.25)]
    [InlineData("5 cc", 0.005)]
    [InlineData("1 m3", 1000)]
    [InlineData("1 m³", 1000)]
    [InlineData("2 cubic metres", 2000)]
    [InlineData("1 us gal", 3.785411784)]
    [InlineData("1 us qt", 0.946352946)]
    [InlineData("1 us pint", 0.473176473)]
    [InlineData("1 us fl oz", 0.0295735295625)]
    [InlineData("1 imp gal", 4.54609)]
    [InlineData("1 uk gallon", 4.54609)]
    [InlineData("1 imp qt", 1.1365225)]
    [InlineData("1 uk pint", 0.56826125)]
    [InlineData("1 imp fl oz", 0.0284130625)]
    [InlineData("2 jugs", 2)]
    [InlineData("3 buckets", 30)]
    [InlineData("1 cup", 0.25)]
    [InlineData("2 tbsp", 0.03)]
    [InlineData("1 tablespoon", 0.015)]
    [InlineData("3 tsp", 0.015)]
    public void Volumes(string typed, double litres) => Reads(typed, Dimension.Volume, UnitSystem.Metric, litres);

    [Theory]
    [InlineData("1 cup", 0.2365882365)]
    [InlineData("1 tbsp", 0.01478676478125)]
    [InlineData("1 tsp", 0.00492892159375)]
    [InlineData("1 gal", 3.785411784)]
    [InlineData("1 qt", 0.946352946)]
    [InlineData("1 pt", 0.473176473)]
    [InlineData("1 fl oz", 0.0295735295625)]
    [InlineData("5", 18.92705892)] // a bare number is gallons
    public void Volumes_where_answers_are_us_customary(string typed, double litres) =>
        Reads(typed, Dimension.Volume, UnitSystem.UsCustomary, litres);

    [Theory]
    [InlineData(UnitSystem.MetricUsGallons, "1 gal", 3.785411784)]
    [InlineData(UnitSystem.MetricUsGallons, "1 quart", 0.946352946)]
    [InlineData(UnitSystem.MetricUsGallons, "1 pint", 0.473176473)]
    [InlineData(UnitSystem.MetricUsGallons, "1 fl oz", 0.0295735295625)]
    [InlineData(UnitSystem.MetricImperialGallons, "1 gal", 4.54609)]
    [InlineData(UnitSystem.MetricImperialGallons, "1 quart", 1.1365225)]
    [InlineData(UnitSystem.MetricImperialGallons, "1 pint", 0.56826125)]
    [InlineData(UnitSystem.MetricImperialGallons, "1 fl oz", 0.0284130625)]
    [InlineData(UnitSystem.MetricImperialGallons, "1 cup", 0.25)]
    public void Gallons_of_whoever_was_asked_once(UnitSystem system, string typed, double litres) =>
        Reads(typed, Dimension.Volume, system, litres);

    [Theory]
    [InlineData("1 gal", "US gal", "imp gal")]
    [InlineData("2 quarts", "US qt", "imp qt")]
    [InlineData("1 pint", "US pt", "imp pt")]
    [InlineData("1 fl oz", "US fl oz", "imp fl oz")]
    public void A_gallon_with_no_word_of_whose_is_asked_about(string typed, string us, string imperial)
    {
        var wayOut = AmountText.Read("water", typed, Dimension.Volume, UnitSystem.Metric).Refused!.Problems.ShouldHaveSingleItem()
            .ToString();
        wayOut.ShouldContain(us);
        wayOut.ShouldContain(imperial);
    }

    [Theory]
    [InlineData("1 g", Dimension.Mass, 1)]
    [InlineData("2 kilos", Dimension.Mass, 2000)]
    [InlineData("500 mg", Dimension.Mass, 0.5)]
    [InlineData("1 oz", Dimension.Mass, 28.349523125)]
    [InlineData("2 lbs", Dimension.Mass, 907.18474)]
    [InlineData("12 m2", Dimension.Area, 12)]
    [InlineData("12 sq m", Dimension.Area, 12)]
    [InlineData("1.4 ha", Dimension.Area, 14_000)]
    [InlineData("100 sq ft", Dimension.Area, 9.290304)]
    [InlineData("1 acre", Dimension.Area, 4046.8564224)]
    [InlineData("28 cm", Dimension.Length, 0.28)]
    [InlineData("5 mm", Dimension.Length, 0.005)]
    [InlineData("6 ft", Dimension.Length, 1.8288)]
    [InlineData("10 inches", Dimension.Length, 0.254)]
    [InlineData("20 °c", Dimension.Temperature, 20)]
    [InlineData("68 f", Dimension.Temperature, 20)]
    [InlineData("-40 fahrenheit", Dimension.Temperature, -40)]
    [InlineData("9 °f", Dimension.TemperatureSpan, 5)] // a span has no offset
    [InlineData("4 k", Dimension.TemperatureSpan, 4)]
    [InlineData("6 lpm", Dimension.Flow, 6)]
    [InlineData("60 l/h", Dimension.Flow, 1)]
    [InlineData("1 cfm", Dimension.Flow, 28.316846592)]
    [InlineData("2 gpm", Dimension.Flow, 7.570823568)]
    [InlineData("20 kpa", Dimension.Pressure, 20)]
    [InlineData("150 mbar", Dimension.Pressure, 15)]
    [InlineData("2 bar", Dimension.Pressure, 200)]
    [InlineData("0.02 mpa", Dimension.Pressure, 20)]
    [InlineData("3 psi", Dimension.Pressure, 20.684271879)]
    [InlineData("1 m of water", Dimension.Pressure, 9.80665)]
    [InlineData("0.6 ppm", Dimension.Concentration, 0.6)]
    [InlineData("0.6 mg/l", Dimension.Concentration, 0.6)]
    [InlineData("300 l/ha", Dimension.AreaRate, 300)]
    [InlineData("2 l/m²", Dimension.AreaRate, 20_000)]
    [InlineData("3 mm", Dimension.AreaRate, 30_000)]
    [InlineData("20 l per 100 m2", Dimension.AreaRate, 2000)]
    [InlineData("1 us gal/acre", Dimension.AreaRate, 9.353956)]
    [InlineData("6.4", Dimension.Plain, 6.4)]
    public void All_the_others(string typed, Dimension dimension, double si) => Reads(typed, dimension, UnitSystem.Metric, si);

    [Theory]
    [InlineData("3", Dimension.Mass, 85.048569375)] // ounces
    [InlineData("100", Dimension.Area, 9.290304)] // square feet
    [InlineData("6", Dimension.Length, 1.8288)] // feet
    [InlineData("68", Dimension.Temperature, 20)]
    [InlineData("9", Dimension.TemperatureSpan, 5)]
    [InlineData("1", Dimension.Flow, 28.316846592)]
    [InlineData("3", Dimension.Pressure, 20.684271879)]
    [InlineData("32 gpa", Dimension.AreaRate, 299.326592)]
    [InlineData("0.6", Dimension.Concentration, 0.6)]
    public void A_bare_number_is_in_the_units_of_the_holding(string typed, Dimension dimension, double si) =>
        Reads(typed, dimension, UnitSystem.UsCustomary, si);

    [Fact]
    public void A_bare_rate_over_ground_is_asked_about_where_gallons_an_acre_are_usual() =>
        AmountText.Read("rate", "32", Dimension.AreaRate, UnitSystem.UsCustomary).Refused!.Problems.ShouldHaveSingleItem().Wrong
            .ShouldBe("“32” can be read two ways: 32 L/ha, or 32 gal/acre.");

    [Theory]
    [InlineData(0, Dimension.Volume, UnitSystem.Metric, "0 L")]
    [InlineData(0.999, Dimension.Volume, UnitSystem.Metric, "999 mL")]
    [InlineData(0.9996, Dimension.Volume, UnitSystem.Metric, "1 L")] // never 1000 mL
    [InlineData(0.9995, Dimension.Volume, UnitSystem.Metric, "1 L")]
    [InlineData(0.946352946, Dimension.Volume, UnitSystem.UsCustomary, "0.25 gal")] // from a quart on
    [InlineData(1, Dimension.Mass, UnitSystem.Metric, "1 g")]
    [InlineData(453.592, Dimension.Mass, UnitSystem.UsCustomary, "1 lb")]
    [InlineData(4046, Dimension.Area, UnitSystem.UsCustomary, "1 acre")]
    [InlineData(-0.5, Dimension.Volume, UnitSystem.Metric, "-500 mL")]
    [InlineData(18, Dimension.Volume, UnitSystem.MetricUsGallons, "18 L")]
    [InlineData(0, Dimension.Volume, UnitSystem.UsCustomary, "0 gal")]
    [InlineData(0.9, Dimension.Volume, UnitSystem.UsCustomary, "30.4 fl oz")]
    [InlineData(3.785411784, Dimension.Volume, UnitSystem.UsCustomary, "1 gal")]
    [InlineData(0, Dimension.Mass, UnitSystem.Metric, "0 g")]
    [InlineData(0.25, Dimension.Mass, UnitSystem.Metric, "250 mg")]
    [InlineData(999, Dimension.Mass, UnitSystem.Metric, "999 g")]
    [InlineData(1000, Dimension.Mass, UnitSystem.Metric, "1 kg")]
    [InlineData(-2500, Dimension.Mass, UnitSystem.Metric, "-2.5 kg")]
    [InlineData(28.349523125, Dimension.Mass, UnitSystem.UsCustomary, "1 oz")]
    [InlineData(453.59237, Dimension.Mass, UnitSystem.UsCustomary, "1 lb")]
    [InlineData(9999, Dimension.Area, UnitSystem.Metric, "9999 m²")]
    [InlineData(10_000, Dimension.Area, UnitSystem.Metric, "1 ha")]
    [InlineData(9.290304, Dimension.Area, UnitSystem.UsCustomary, "100 sq ft")]
    [InlineData(4046.8564224, Dimension.Area, UnitSystem.UsCustomary, "1 acre")]
    [InlineData(17.77, Dimension.Temperature, UnitSystem.Metric, "17.8 °C")]
    [InlineData(20, Dimension.Temperature, UnitSystem.UsCustomary, "68 °F")]
    [InlineData(-17.7777777777778, Dimension.Temperature, UnitSystem.UsCustomary, "0 °F")] // never −0
    [InlineData(5, Dimension.TemperatureSpan, UnitSystem.UsCustomary, "9 °F")]
    [InlineData(28.316846592, Dimension.Flow, UnitSystem.UsCustomary, "1 cfm")]
    [InlineData(6, Dimension.Flow, UnitSystem.Metric, "6 L/min")]
    [InlineData(6.894757293, Dimension.Pressure, UnitSystem.UsCustomary, "1 psi")]
    [InlineData(0.6, Dimension.Concentration, UnitSystem.UsCustomary, "0.6 mg/L")]
    [InlineData(300, Dimension.AreaRate, UnitSystem.Metric, "300 L/ha")]
    [InlineData(6.4, Dimension.Plain, UnitSystem.UsCustomary, "6.4")]
    public void An_answer_is_shown_in_the_unit_that_suits_its_size(double si, Dimension dimension, UnitSystem system, string shown) =>
        Units.Show(si, dimension, system).ShouldBe(shown);

    private static void Reads(string typed, Dimension dimension, UnitSystem system, double si)
    {
        var read = AmountText.Read("amount", typed, dimension, system);
        read.Refused.ShouldBeNull(typed);
        read.Value.Si.ShouldBe(si, Math.Abs(si) * 1e-7 + 1e-12);
    }

    [Theory]
    [InlineData(180, Dimension.Length, UnitSystem.Metric, "180 m")]
    [InlineData(180, Dimension.Length, UnitSystem.UsCustomary, "590.5510 ft")]
    [InlineData(180, Dimension.Volume, UnitSystem.UsCustomary, "47.5510 gal")] // and not 47,551
    [InlineData(1234.5, Dimension.Length, UnitSystem.Metric, "1234.5 m")]
    [InlineData(20, Dimension.Temperature, UnitSystem.UsCustomary, "68 °F")]
    public void A_figure_as_it_would_be_typed_reads_as_itself(double si, Dimension dimension, UnitSystem units, string typed)
    {
        Units.Typed(si, dimension, units).ShouldBe(typed);
        AmountText.Read("it", typed, dimension, units).Value.Si.ShouldBe(si, 1e-3);
    }

    [Fact]
    public void Whatever_is_written_to_be_typed_reads_one_way_and_as_itself()
    {
        var random = new Random(11);
        for (var i = 0; i < 5000; i++)
        {
            var value = Math.Pow(10, (random.NextDouble() * 9) - 4);
            var read = TypedNumber.Of(TypedNumber.Write(value));
            read.Sure.ShouldBeTrue(TypedNumber.Write(value));
            read.Value!.Value.ShouldBe(value, value * 1e-5);
        }
    }
}
