using MudPie.Core.Looking;
using MudPie.Core.Measures;

namespace MudPie.Core.Tests.Looking;

/// <summary>What was done to the ground as it is said, in the holding's own units.</summary>
public class SaysTests
{
    [Theory]
    [InlineData(FieldDeed.Sowed, "oats", "sowed oats")]
    [InlineData(FieldDeed.Planted, "garlic", "planted garlic")]
    [InlineData(FieldDeed.Cover, "clover", "cover sown: clover")]
    [InlineData(FieldDeed.Crimped, null, "crimped")]
    [InlineData(FieldDeed.Mowed, null, "mowed")]
    [InlineData(FieldDeed.Grazed, null, "grazed")]
    [InlineData(FieldDeed.Mulched, null, "mulched")]
    [InlineData(FieldDeed.Cleared, null, "cleared")]
    public void A_deed_is_said_in_its_own_word(FieldDeed deed, string? crop, string says) =>
        FieldDeeds.Says(deed, default, crop, null, UnitSystem.Metric).ShouldBe(says);

    [Theory]
    [InlineData(UnitSystem.Metric, "rain, 12 mm", "tilled, 15 cm deep")]
    [InlineData(UnitSystem.UsCustomary, "in", "in deep")]
    public void Depths_are_said_in_the_holdings_units(UnitSystem units, string rain, string tilled)
    {
        FieldDeeds.Says(FieldDeed.Rain, (12, null, null), null, null, units).ShouldEndWith(rain);
        FieldDeeds.Says(FieldDeed.Tilled, (null, null, 15), null, null, units).ShouldEndWith(tilled);
    }

    [Theory]
    [InlineData(0.0, 9.99, false)]
    [InlineData(10.0, 0.0, true)]
    [InlineData(4.0, 6.0, true)]
    [InlineData(null, 12.0, true)]
    [InlineData(null, 1.0, false)]
    public void Ten_millimetres_in_all_may_have_done_some_of_it(double? rain, double watered, bool may) =>
        WaterBetween.Of(rain, watered, UnitSystem.Metric).Sentence.Contains("may have done", StringComparison.Ordinal).ShouldBe(may);

    [Theory]
    [InlineData(CheckKind.Worms, "worms a block")]
    [InlineData(CheckKind.Rod, "hardest depth, MPa")]
    [InlineData(CheckKind.Infiltration, "water going in, mm/h")]
    public void A_check_is_measured_in_what_its_table_says(CheckKind kind, string measured) =>
        CheckHows.Of(kind).Measured.ShouldBe(measured);

    [Theory]
    [InlineData(CheckKind.Roots, 0.25, "25")]
    [InlineData(CheckKind.Cotton, 0.5, "50")]
    [InlineData(CheckKind.Infiltration, 750, "750")]
    [InlineData(CheckKind.Block, 2.83, "2.8")]
    public void A_figure_is_short_in_a_table(CheckKind kind, double figure, string shown) =>
        CheckReading.Short(kind, figure).ShouldBe(shown);
}
