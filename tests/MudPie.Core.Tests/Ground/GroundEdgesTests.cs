using MudPie.Core.Ground;

namespace MudPie.Core.Tests.Ground;

/// <summary>Where beds without an outline are laid, what is no outline, and which word is a crop.</summary>
public sealed class GroundEdgesTests
{
    private static GroundPlanAnswer Lay(params double[] areas) =>
        GroundPlan.Of([.. areas.Select((a, i) => new BedOutline(i + 1, $"bed {i + 1}", a, null))]).Value;

    private static (double X, double Y, double Wide, double Deep) Box(BedDrawn b)
    {
        b.Points.Count.ShouldBe(4);
        (b.Points[0].Y, b.Points[1].X, b.Points[2].Y).ShouldBe((b.Points[1].Y, b.Points[2].X, b.Points[3].Y));
        b.Points[3].X.ShouldBe(b.Points[0].X);
        return (b.Points[0].X, b.Points[0].Y, Math.Round(b.Points[1].X - b.Points[0].X, 9), Math.Round(b.Points[2].Y - b.Points[1].Y, 9));
    }

    [Fact]
    public void Beds_that_were_never_surveyed_stand_in_rows_the_largest_first()
    {
        var plan = Lay(2, 32, 18, 50); // a row holds 1.8 √102 = 18.2 m
        plan.Beds.Select(b => b.Id).ShouldBe([4, 2, 3, 1]);
        plan.Beds.Select(Box).ShouldBe([(0, 0, 10, 5), (0, 6, 8, 4), (9, 6, 6, 3), (16, 6, 2, 1)]);
        (plan.WidthM, plan.HeightM, plan.ScaleBarM).ShouldBe((18, 10, 2));
        plan.Beds.ShouldAllBe(b => !b.Surveyed);
    }

    [Fact]
    public void A_third_row_stands_above_the_deepest_of_the_second()
    {
        var plan = Lay(50, 50, 50, 50, 50); // 28.5 m: two and no third
        plan.Beds.Select(Box).Select(b => (b.X, b.Y)).ShouldBe([(0, 0), (11, 0), (0, 6), (11, 6), (0, 12)]);
        (plan.WidthM, plan.HeightM).ShouldBe((21, 17));
    }

    [Fact]
    public void Small_beds_are_long_and_fields_are_not_and_the_gap_grows_with_the_ground()
    {
        Box(Lay(98).Beds[0]).ShouldBe((0, 0, 14, 7));
        Box(Lay(160).Beds[0]).ShouldBe((0, 0, 16, 10));
        Box(Lay(100).Beds[0]).Deep.ShouldBe(Math.Sqrt(62.5), 1e-9);
        var fields = Lay(4000, 6000).Beds.Select(Box).ToList(); // 100 m by its root, a fortieth of it between
        fields[1].Y.ShouldBe(Math.Sqrt(3750) + 2.5, 1e-9);
        fields[1].X.ShouldBe(0);
    }

    private static List<Corner> Square(double lon, double lat, double size) =>
        [new(lon, lat), new(lon + size, lat), new(lon + size, lat + size), new(lon, lat + size)];

    [Fact]
    public void The_others_stand_above_surveyed_ground_a_gap_away()
    {
        var worked = GroundPlan.Of([new(1, "north field", 1, Square(0, -0.0005, 0.001)), new(2, "cold frame", 2, null)]).Worked;
        var degree = Math.PI / 180 * 6_371_008.8;
        var (plan, side) = (worked.Value, 0.001 * degree);
        plan.Beds[0].AreaM2.ShouldBe(side * side, 1e-3);
        Box(plan.Beds[1]).ShouldBe((0, plan.Beds[0].Points.Max(p => p.Y) + 1, 2, 1));
        (plan.WidthM, plan.HeightM).ShouldBe((plan.Beds[0].Points.Max(p => p.X), Box(plan.Beds[1]).Y + 1));
        plan.Beds[0].Points.Min(p => p.X).ShouldBe(0, 1e-9);
        plan.Beds[0].Points.Min(p => p.Y).ShouldBe(0, 1e-9);
        var line = worked.Working.ShouldHaveSingleItem();
        (line.Name, line.Figures).ShouldBe(("north field", "4 corners"));
    }

    [Fact]
    public void Ground_on_both_sides_of_a_middle_is_drawn_by_its_own_middle()
    {
        var plan = GroundPlan.Of([new(1, "south", 1, Square(7.002, 50, 0.001)), new(2, "north", 1, Square(7, 50.1, 0.001))]).Value;
        // The plane touches half-way, at 50.0505: a thousandth of a degree east is as long there in both.
        var east = 0.001 * Math.PI / 180 * 6_371_008.8 * Math.Cos(50.0505 * Math.PI / 180);
        plan.Beds.Select(b => b.Points.Min(p => p.X)).ShouldBe([2 * east, 0], 1e-6);
        plan.Beds.Select(b => b.Points.Max(p => p.X)).ShouldBe([3 * east, east], 1e-6);
        plan.WidthM.ShouldBe(3 * east, 1e-6);
        plan.Beds.Select(b => b.Points.Min(p => p.Y)).First().ShouldBe(0, 1e-9);
        plan.HeightM.ShouldBe(0.101 * Math.PI / 180 * 6_371_008.8, 1e-6);
    }

    [Theory]
    [InlineData(0, 0.2)]
    [InlineData(9.9, 1)]
    [InlineData(10.1, 2)]
    [InlineData(24.9, 2)]
    [InlineData(25.1, 5)]
    [InlineData(50.1, 10)]
    [InlineData(2600, 500)]
    public void The_scale_bar_is_one_two_or_five(double width, double bar)
    {
        var degrees = width / (Math.PI / 180 * 6_371_008.8);
        (width == 0 ? Lay() : GroundPlan.Of([new(1, "a", 100, Square(0, -degrees / 2, degrees))]).Value).ScaleBarM.ShouldBe(bar, 1e-12);
    }

    [Fact]
    public void What_is_no_outline_is_refused_by_its_bed()
    {
        bool Stands(double area, params Corner[]? outline) => GroundPlan.Of([new(1, "a", area, outline)]).Refused is null;
        Stands(0.1, null).ShouldBeTrue();
        Stands(0.09, null).ShouldBeFalse();
        Stands(1_000_000, null).ShouldBeTrue();
        Stands(1_000_001, null).ShouldBeFalse();
        Stands(5, [new(0, 0), new(1, 0)]).ShouldBeFalse();
        Stands(5, [new(0, 0), new(1, 0), new(1, 1)]).ShouldBeTrue();
        Stands(5, [new(180, 90), new(-180, 0), new(0, -90)]).ShouldBeTrue();
        Stands(5, [new(180.1, 0), new(1, 0), new(1, 1)]).ShouldBeFalse();
        Stands(5, [new(0, -90.1), new(1, 0), new(1, 1)]).ShouldBeFalse();
        Stands(5, [new(double.NaN, 0), new(1, 0), new(1, 1)]).ShouldBeFalse();
        Corner[] Ring(int n) => [.. Enumerable.Range(0, n).Select(i => new Corner(Math.Cos(i * Math.Tau / n), Math.Sin(i * Math.Tau / n)))];
        Stands(5, Ring(5000)).ShouldBeTrue();
        Stands(5, Ring(5001)).ShouldBeFalse();
        GroundPlan.Of([new(1, "a", 5, null), new(2, "far field", 5, [])]).Refused!.Problems.Single().Field.ShouldBe("beds[1].outline");
    }

    [Theory]
    [InlineData("cherries", "cherry")]
    [InlineData("tomatoes", "tomato")]
    [InlineData("peaches", "peach")]
    [InlineData("radishes", "radish")]
    [InlineData("peas", "pea")]
    [InlineData("oats", "oats")]
    [InlineData("sweet potatoes", "sweet potato")]
    [InlineData("early sweet peas", "sweet pea")]
    [InlineData("oilseed rape", "oilseed rape")]
    [InlineData("grape, Mustard Red", "grape")]
    [InlineData("apple Pink Lady", "apple")]
    [InlineData("“Rocket” lettuce", "lettuce")]
    [InlineData("(after peas) leeks", "leek")]
    [InlineData("field", null)]
    [InlineData("gas", null)]
    public void The_first_word_that_is_a_crop_names_it(string text, string? crop) => (Crops.Find(text)?.Name).ShouldBe(crop);

    [Fact]
    public void Forty_words_are_read_and_no_more()
    {
        string Behind(int words) => string.Join(' ', Enumerable.Repeat("very", words)) + " leeks";
        Crops.Find(Behind(39)).ShouldNotBeNull().Name.ShouldBe("leek");
        Crops.Find(Behind(40)).ShouldBeNull();
    }

    [Theory]
    [InlineData("carrot", true)]
    [InlineData("beetroot", false)]
    [InlineData("lettuce", true)]
    [InlineData("kale", false)]
    [InlineData("wheat", true)]
    [InlineData("lupins", false)]
    [InlineData("squash", true)]
    [InlineData("garlic", true)]
    [InlineData("plums", true)]
    [InlineData("lawn", true)]
    [InlineData("dahlias", true)]
    [InlineData("pinks", false)]
    [InlineData("plugs", true)]
    public void Which_crops_host_mycorrhiza(string crop, bool hosts) => Crops.Find(crop)!.HostsMycorrhiza.ShouldBe(hosts);
}
