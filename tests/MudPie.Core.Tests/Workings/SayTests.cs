using System.Globalization;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.Workings;

public class SayTests
{
    [Theory]
    [InlineData(double.NaN, 3, "not a number")]
    [InlineData(double.PositiveInfinity, 3, "not a number")]
    [InlineData(0.5, 1, "0.5")]
    [InlineData(0.25, 1, "0.3")] // away from nought
    [InlineData(-0.25, 1, "-0.3")]
    [InlineData(99.96, 3, "100")]
    [InlineData(1e-14, 3, "0")] // less than can be told
    [InlineData(1234567.8, 3, "1234568")]
    [InlineData(1.00004, 6, "1.00004")]
    public void A_number_to_so_many_figures(double value, int digits, string said) => Say.Number(value, digits).ShouldBe(said);

    [Theory]
    [InlineData(35.5828, 2, "35.58")]
    [InlineData(35.5, 2, "35.50")]
    [InlineData(-0.001, 2, "0.00")] // never −0.00
    [InlineData(-0.01, 2, "-0.01")]
    [InlineData(2.6, 0, "3")]
    public void A_number_to_so_many_decimals(double value, int decimals, string said) => Say.Fixed(value, decimals).ShouldBe(said);

    [Theory]
    [InlineData("2026-06-10T05:10:00Z", "07:10")]
    [InlineData("2026-06-09T21:59:00Z", "23:59 on 9 Jun")]
    [InlineData("2026-06-09T22:00:00Z", "00:00")] // midnight of the holding, not of Greenwich
    [InlineData("2026-06-10T22:00:00Z", "00:00 on 11 Jun")]
    public void An_hour_is_said_with_its_day_only_where_that_is_another(string at, string said)
    {
        var now = DateTimeOffset.Parse("2026-06-10T09:00:00Z", CultureInfo.InvariantCulture);
        Say.Clock(DateTimeOffset.Parse(at, CultureInfo.InvariantCulture), now, t => t.ToOffset(TimeSpan.FromHours(2))).ShouldBe(said);
    }

    [Theory]
    [InlineData(59.4, "59 min")]
    [InlineData(59.5, "1 h")]
    [InlineData(61, "1 h 01 min")]
    [InlineData(1e300, "1666666 h 40 min")]
    public void Minutes_become_hours(double minutes, string said) => Say.Minutes(minutes).ShouldBe(said);

    [Fact]
    public void Hours_are_sixty_of_them() => (Say.Hours(0.75), Say.Hours(3), Say.Hours(3.5)).ShouldBe(("45 min", "3 h", "3 h 30 min"));

    [Theory]
    [InlineData(0, "just now")]
    [InlineData(1.9 / 1440, "just now")]
    [InlineData(2.0 / 1440, "2 min ago")]
    [InlineData(59.0 / 1440, "59 min ago")]
    [InlineData(1.0 / 24, "1 h ago")]
    [InlineData(47.0 / 24, "47 h ago")]
    [InlineData(2.1, "2 days ago")]
    [InlineData(30, "30 days ago")]
    public void Ago(double days, string said) => Say.Ago(days).ShouldBe(said);

    [Fact]
    public void What_is_to_be_chosen_ends_with_or_and_a_unit_has_its_space()
    {
        (Say.Any([]), Say.Any(["a"]), Say.Any(["a", "b"]), Say.Any(["a", "b", "c"])).ShouldBe(("", "a", "a or b", "a, b or c"));
        Say.List(["a", "b"]).ShouldBe("a and b");
        (Say.Unit(""), Say.Unit("mg/L")).ShouldBe(("", " mg/L"));
    }

    [Theory]
    [InlineData("compost", "source", "L", "brew", "inoculant", null)]
    [InlineData("molasses", "food", "L", "molasses", "biostimulant", null)]
    [InlineData("kelpPowder", "food", "kg", "alkaliSeaweed", "biostimulant", null)]
    [InlineData("ascorbicAcid", "water", "kg", "ascorbic", "other", null)]
    [InlineData("sporeInoculant", "inoculant", "L", "spores", "inoculant", LifeForm.Spores)]
    [InlineData("livingInoculant", "inoculant", "L", "living", "inoculant", LifeForm.Living)]
    [InlineData("mycorrhiza", "inoculant", "kg", "mycorrhiza", "inoculant", LifeForm.Propagules)]
    [InlineData("manure", "amendment", "kg", "ammonium", "manure", null)]
    [InlineData("copperSpray", "spray", "kg", "copper", "spray", null)]
    [InlineData("bleach", "water", "L", "chlorine", "other", null)]
    [InlineData("something new", "amendment", "kg", "other", "other", null)] // as something else
    public void What_follows_from_what_a_thing_on_the_shelf_is(string kind, string group, string unit, string mixing, string waits,
        LifeForm? life)
    {
        var is_ = InputKinds.Of(kind);
        (is_.Kind, is_.Group, is_.Unit, is_.MixClass, is_.WaitKind, is_.Life).ShouldBe((kind, group, unit, mixing, waits, life));
        InputKinds.Knows(kind).ShouldBe(kind != "something new");
    }

    [Fact]
    public void Every_kind_on_the_shelf_has_a_name_of_its_own_and_a_unit()
    {
        InputKinds.All.Select(k => k.Kind).ShouldBeUnique();
        InputKinds.All.Select(k => k.Name).ShouldBeUnique();
        InputKinds.All.ShouldAllBe(k => k.Unit == "L" || k.Unit == "kg");
        InputKinds.All.Where(k => k.Life is not null).ShouldAllBe(k => k.Group == "inoculant");
    }
}
