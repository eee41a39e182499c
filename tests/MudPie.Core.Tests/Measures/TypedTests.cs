using MudPie.Core.Measures;

namespace MudPie.Core.Tests.Measures;

public class TypedTests
{
    [Theory]
    [InlineData("1,5", 1.5)]
    [InlineData("1,234.5", 1234.5)]
    [InlineData("1.234,5", 1234.5)]
    [InlineData("1 234.5", 1234.5)]
    [InlineData("1'234", 1234)]
    [InlineData("0.250", 0.25)]
    [InlineData("1,234,567", 1_234_567)]
    [InlineData("1.234.567", 1_234_567)]
    [InlineData("−3", -3)]
    [InlineData("+3", 3)]
    [InlineData(".5", 0.5)]
    [InlineData(",5", 0.5)]
    [InlineData("1.5e3", 1500)]
    [InlineData("2e-3", 0.002)]
    [InlineData("12.3456", 12.3456)]
    [InlineData("1234,567", 1234.567)] // four digits before it: no sign for thousands
    [InlineData("1 234,567", 1234.567)] // spaced already
    [InlineData("1.500e1", 15)]
    public void A_number_is_read_one_way(string typed, double value)
    {
        var read = TypedNumber.Of(typed);
        read.Sure.ShouldBeTrue(typed);
        read.Value!.Value.ShouldBe(value, 1e-9);
    }

    [Theory]
    [InlineData("1,000", 1, 1000)]
    [InlineData("1.000", 1, 1000)]
    [InlineData("12,345", 12.345, 12_345)]
    [InlineData("-1.500", -1.5, -1500)]
    [InlineData("9,500", 9.5, 9500)]
    [InlineData("123,456", 123.456, 123_456)]
    public void Or_two_and_is_asked_about(string typed, double one, double other)
    {
        var read = TypedNumber.Of(typed);
        read.Sure.ShouldBeFalse();
        (read.Value, read.Other).ShouldBe((one, other));
        var asked = read.TwoWays("litres", $" {typed} ");
        asked.Field.ShouldBe("litres");
        asked.Wrong.ShouldStartWith($"“{typed}” can be read as ");
        asked.WayOut.ShouldEndWith("without a sign for thousands.");
    }

    [Fact]
    public void Where_the_sign_is_settled_it_is_not_asked_about()
    {
        TypedNumber.Of("1.000", pointIsDecimal: true).ShouldBe(new TypedNumber(1));
        TypedNumber.Of("1,000", commaIsDecimal: true).ShouldBe(new TypedNumber(1));
        TypedNumber.Of("1,000", pointIsDecimal: true).Other.ShouldBe(1000);
        TypedNumber.Of("1.000", commaIsDecimal: true).Other.ShouldBe(1000);
    }

    [Theory]
    [InlineData(null)]
    [InlineData("")]
    [InlineData("  ")]
    [InlineData("NaN")]
    [InlineData("Infinity")]
    [InlineData("1e400")]
    [InlineData("٣")] // other digits
    [InlineData("1,23,4")]
    [InlineData("1,23,456")] // one group of three makes no thousands of the others
    [InlineData("1,2.3,4")]
    [InlineData("1.2.3")]
    [InlineData("12,34.5")]
    [InlineData("--3")]
    [InlineData("3 L")]
    [InlineData("1e")]
    [InlineData("12345678901234567890123456789012345678901")]
    public void Or_none(string? typed)
    {
        TypedNumber.Of(typed).Value.ShouldBeNull();
        TypedNumber.Of(typed).Sure.ShouldBeFalse();
    }

    private static (T Got, string Wrong) Ask<T>(Func<TypedFields, T> ask, UnitSystem units = UnitSystem.Metric)
    {
        var fields = new TypedFields(units);
        var got = ask(fields);
        return (got, fields.Checks.Sound
            ? "" : string.Join(" | ", fields.Checks.Refusal.Problems.Select(p => $"{p.Field}: {p.Wrong} {p.WayOut}")));
    }

    [Fact]
    public void A_quantity_keeps_to_its_range_ends_and_all()
    {
        Ask(f => f.Quantity("tank", "15 L", Dimension.Volume, 15, 20)).ShouldBe((15, ""));
        Ask(f => f.Quantity("tank", "20 L", Dimension.Volume, 15, 20)).ShouldBe((20, ""));
        Ask(f => f.Quantity("tank", "14.9 L", Dimension.Volume, 15, 20, "It is on its side."))
            .ShouldBe((0, "tank: 14.9 L is too little. Give 15 L to 20 L. It is on its side."));
        Ask(f => f.Quantity("tank", "20.1 L", Dimension.Volume, 15, 20)).ShouldBe((0, "tank: 20.1 L is too much. Give 15 L to 20 L."));
        Ask(f => f.Quantity("tank", "100 gal", Dimension.Volume, 15, 20),
            UnitSystem.UsCustomary).Wrong.ShouldContain("Give 3.96 gal to 5.28 gal.");
        Ask(f => f.Amount("tank", "5 gal", Dimension.Volume, 1, 20), UnitSystem.UsCustomary).Got!.Si.ShouldBe(18.92705892, 1e-9);
        Ask(f => f.Amount("tank", "lots", Dimension.Volume, 1, 20)).Got.ShouldBeNull();
    }

    [Fact]
    public void What_may_be_left_out_is_none_and_not_nought()
    {
        Ask(f => f.Optional("strip", " ", Dimension.Concentration, 0, 10)).ShouldBe((null, ""));
        Ask(f => f.Optional("strip", null, Dimension.Concentration, 0, 10)).ShouldBe((null, ""));
        Ask(f => f.Optional("strip", "0", Dimension.Concentration, 0, 10)).ShouldBe((0, ""));
        Ask(f => f.Optional("strip", "11", Dimension.Concentration, 0, 10)).Wrong.ShouldStartWith("strip: 11 mg/L is too much.");
    }

    [Theory]
    [InlineData("20", UnitSystem.Metric, "20 mL")]
    [InlineData("20 ", UnitSystem.UsCustomary, "20  fl oz")]
    [InlineData("20 g", UnitSystem.Metric, "20 g")]
    [InlineData("", UnitSystem.Metric, "")]
    [InlineData(null, UnitSystem.Metric, null)]
    public void A_bare_number_of_food_is_a_spoon_s_worth(string? typed, UnitSystem units, string? read) =>
        TypedFields.Spoonful(typed, units).ShouldBe(read);

    [Fact]
    public void A_name_is_trimmed_and_nonsense_named()
    {
        Ask(f => f.Name("name", "  the Cone ", "the vessel")).ShouldBe(("the Cone", ""));
        Ask(f => f.Name("name", "", "the vessel")).Wrong.ShouldStartWith("name: ");
        Ask(f => f.Name("name", new string('x', 61), "the vessel")).Wrong.ShouldContain("Give the vessel a name of up to 60 letters");
        Ask(f => f.Name("name", new string('x', 60), "the vessel")).Wrong.ShouldBe("");
    }

    [Fact]
    public void One_of_a_few_words()
    {
        Ask(f => f.OneOf("shape", "barrel", "bucket", "barrel")).ShouldBe(("barrel", ""));
        Ask(f => f.OneOf("shape", "box", "bucket", "barrel"))
            .ShouldBe(("bucket", "shape: “box” is not known here. Choose bucket or barrel."));
        Ask(f => f.OneOf("shape", null, "bucket", "barrel")).Wrong.ShouldBe("shape: Nothing was chosen. Choose bucket or barrel.");
        Ask(f => f.OneOf<WaterKind>("kind", "ro")).ShouldBe((WaterKind.Ro, ""));
        Ask(f => f.OneOf<WaterKind>("kind", "sea")).ShouldBe((WaterKind.Mains,
            "kind: “sea” is not known here. Choose mains, rain, well, ro or surface."));
    }
}
