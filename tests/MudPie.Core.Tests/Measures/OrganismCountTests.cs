using MudPie.Core.Measures;

namespace MudPie.Core.Tests.Measures;

public class OrganismCountTests
{
    [Theory]
    [InlineData("1e6", 1e6)]
    [InlineData("1000000", 1e6)]
    [InlineData("1 000 000", 1e6)]
    [InlineData(" 1 Million ", 1e6)]
    [InlineData("2.5 billion", 2.5e9)]
    [InlineData("3 thousand million", 3e9)]
    [InlineData("40 thousand", 4e4)]
    [InlineData("5×10^7", 5e7)]
    [InlineData("5x10^7", 5e7)]
    [InlineData("5E7", 5e7)]
    public void As_labels_write_it(string typed, double count)
    {
        var fields = new TypedFields(UnitSystem.Metric);
        OrganismCount.Read(typed, "count", fields).ShouldBe(count, count * 1e-12);
        fields.Checks.Sound.ShouldBeTrue();
    }

    [Theory]
    [InlineData(null, "Nothing was typed.")]
    [InlineData("  ", "Nothing was typed.")]
    [InlineData("plenty", "“plenty” is no count.")]
    [InlineData("0", "“0” is no count.")]
    [InlineData("-4e6", "“-4e6” is no count.")]
    [InlineData("NaN", "“NaN” is no count.")]
    [InlineData("1e308 billion", "“1e308 billion” is no count.")]
    public void Nonsense_is_named_at_its_field(string? typed, string wrong)
    {
        var fields = new TypedFields(UnitSystem.Metric);
        OrganismCount.Read(typed, "species[1].count", fields).ShouldBe(0);
        var one = fields.Checks.Refusal.Problems.ShouldHaveSingleItem();
        (one.Field, one.Wrong).ShouldBe(("species[1].count", wrong));
        one.WayOut.ShouldBe("Write 1e6, 1000000 or 1 million.");
    }

    [Fact] // fifteen hundred, or one and a half
    public void A_count_that_can_be_read_two_ways_is_asked_for_again()
    {
        var fields = new TypedFields(UnitSystem.Metric);
        OrganismCount.Read("1,500", "count", fields).ShouldBe(0);
        fields.Checks.Refusal.Problems.ShouldHaveSingleItem().Wrong.ShouldBe("“1,500” can be read as 1.5 or as 1500.");
    }
}
