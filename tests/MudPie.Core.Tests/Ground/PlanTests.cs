using MudPie.Core.Ground;

namespace MudPie.Core.Tests.Ground;

public class PlanTests
{
    private static List<Corner> Square(double lon, double lat, double dLon, double dLat) =>
        [new(lon, lat), new(lon + dLon, lat), new(lon + dLon, lat + dLat), new(lon, lat + dLat), new(lon, lat)];

    [Fact]
    public void A_hundredth_of_a_degree_at_the_equator_is_its_table_area() =>
        GroundPlan.AreaM2(Square(0, -0.005, 0.01, 0.01)).ShouldBe(1_236_431, 5); // (π/18000 × 6371008.8)²

    [Fact]
    public void A_hectare_at_sixty_north_is_a_hectare() =>
        GroundPlan.AreaM2(Square(10, 60, 100 / (111_195.08 * 0.5), 100 / 111_195.08)).ShouldBe(10_000, 2);

    [Fact]
    public void Area_does_not_hang_on_where_the_outline_begins_or_which_way_it_runs()
    {
        List<Corner> l = [new(0, 52.5), new(0.001, 52.5), new(0.001, 52.5004), new(0.0004, 52.5004), new(0.0004, 52.501), new(0, 52.501)];
        var area = GroundPlan.AreaM2(l);
        GroundPlan.AreaM2([.. Enumerable.Reverse(l)]).ShouldBe(area, 1e-6);
        GroundPlan.AreaM2([.. l.Skip(2), .. l.Take(2)]).ShouldBe(area, 1e-6);
        GroundPlan.AreaM2([.. l, l[0]]).ShouldBe(area, 0.2); // closed or open; the middle that the plane touches shifts a little
    }

    [Fact]
    public void Surveyed_beds_keep_their_distances_and_the_others_stand_above_by_their_area()
    {
        var plan = GroundPlan.Of([
            new(1, "a", 1000, Square(0, 52.5, 0.001, 0.0005)), new(2, "b", 500, Square(0.002, 52.5, 0.0005, 0.0005)), new(3, "c", 36, null),
            new(4, "d", 400, null)]).Value;
        var metresPerDegree = Math.PI / 180 * 6_371_008.8 * Math.Cos(52.50025 * Math.PI / 180);
        (plan.Beds[1].Points.Min(p => p.X) - plan.Beds[0].Points.Min(p => p.X)).ShouldBe(0.002 * metresPerDegree, 0.1);
        var top = plan.Beds.Where(b => b.Surveyed).Max(b => b.Points.Max(p => p.Y));
        foreach (var drawn in plan.Beds.Where(b => !b.Surveyed))
        {
            drawn.Points.Min(p => p.Y).ShouldBeGreaterThan(top);
            ((drawn.Points[1].X - drawn.Points[0].X) * (drawn.Points[2].Y - drawn.Points[1].Y)).ShouldBe(drawn.AreaM2, 1e-6);
        }
    }

    [Theory]
    [InlineData(250, 50)]
    [InlineData(90, 10)]
    [InlineData(40, 5)]
    public void The_scale_bar_is_a_round_figure_near_a_fifth(double width, double bar)
    {
        var degrees = width / (Math.PI / 180 * 6_371_008.8);
        GroundPlan.Of([new(1, "a", 100, Square(0, -degrees / 2, degrees, degrees))]).Value.ScaleBarM.ShouldBe(bar);
    }

    [Fact]
    public void Nonsense_outlines_are_refused()
    {
        GroundPlan.Of([new(1, "a", 0, null)]).Refused.ShouldNotBeNull().Problems[0].Field.ShouldBe("beds[0].areaM2");
        GroundPlan.Of([new(1, "a", 10, [new(0, 0), new(1, 1)])]).Refused.ShouldNotBeNull().Problems[0].Field.ShouldBe("beds[0].outline");
        GroundPlan.Of([new(1, "a", 10, [new(0, 0), new(1, double.NaN), new(2, 2)])]).Refused.ShouldNotBeNull();
        GroundPlan.Of([]).Value.Beds.ShouldBeEmpty();
    }
}
