using MudPie.Core.Looking;

namespace MudPie.Core.Tests.Looking;

/// <summary>Goals against their line, and zones from a yield map.</summary>
public class GoalAndZoneTests
{
    private static DateOnly Day(int year, int month = 3) => new(year, month, 1);

    private static GoalAsked Nitrogen(params GoalPoint[] points) =>
        new(new(Day(2024), 120), new(Day(2027), 60), points, "kg N/ha");

    [Fact]
    public void Less_bought_nitrogen_is_behind_its_line_and_says_how_far_it_came()
    {
        var behind = GoalLine.Of(Nitrogen(new GoalPoint(Day(2026), 96, 94, 98))).Worked;
        behind.Value.Wanted.ShouldBe(80, 0.05);
        behind.Value.Done!.Value.ShouldBe(0.4, 1e-9);
        (behind.Value.Stands, behind.Value.Met).ShouldBe((GoalStands.Behind, false));
        behind.Value.Sentence.ShouldBe("behind: 96 kg N/ha; wanted by 1 Mar: 80");
        behind.Working.Count.ShouldBe(2);
    }

    [Theory]
    [InlineData(70, 68, 72, GoalStands.Ahead)]
    [InlineData(80, 74, 86, GoalStands.OnIt)]
    [InlineData(96, 94, 98, GoalStands.Behind)]
    [InlineData(96, 70, 125, GoalStands.CantTell)]
    public void Its_interval_decides(double value, double lower, double upper, GoalStands stands) =>
        GoalLine.Of(Nitrogen(new GoalPoint(Day(2026), value, lower, upper))).Value.Stands.ShouldBe(stands);

    [Theory]
    [InlineData(85.9, GoalStands.OnIt)]
    [InlineData(86.5, GoalStands.Behind)]
    [InlineData(73, GoalStands.Ahead)]
    public void Without_one_a_tenth_of_the_way_is_near(double value, GoalStands stands) =>
        GoalLine.Of(Nitrogen(new GoalPoint(Day(2026), value))).Value.Stands.ShouldBe(stands);

    [Fact]
    public void Upward_goals_turn_the_sides_and_the_last_measure_speaks()
    {
        var brix = new GoalAsked(new(Day(2025), 9), new(Day(2027), 11), [new(Day(2026, 9), 11.4, 11.1, 11.7), new(Day(2025, 9), 8)], "°Bx");
        var ahead = GoalLine.Of(brix).Value;
        (ahead.Stands, ahead.Met).ShouldBe((GoalStands.Ahead, true));
        GoalLine.Of(brix with { Points = [new(Day(2026, 9), 9.2, 9.0, 9.4)] }).Value.Stands.ShouldBe(GoalStands.Behind);
        GoalLine.Wanted(brix, Day(2030)).ShouldBe(11, "level after its day");
        GoalLine.Of(brix with { Points = [new(Day(2024), 12)] }).Value.Sentence.ShouldStartWith("can’t tell: nothing was measured");
    }

    [Fact]
    public void A_goal_that_goes_nowhere_or_back_in_time_is_refused()
    {
        GoalLine.Of(Nitrogen() with { Target = new(Day(2023), 60) }).Refused!.Problems[0].Field.ShouldBe("target.on");
        GoalLine.Of(Nitrogen() with { Target = new(Day(2027), 120) }).Refused!.Problems[0].Field.ShouldBe("target.value");
        GoalLine.Of(Nitrogen(new GoalPoint(Day(2026), double.NaN))).Refused!.Problems[0].Field.ShouldBe("points");
    }

    private static List<YieldAt> Map(int wide, int tall, Func<int, int, double> yield) =>
        [.. from x in Enumerable.Range(0, wide) from y in Enumerable.Range(0, tall) select new YieldAt(new(x * 10, y * 10), yield(x, y))];

    [Fact]
    public void Zones_hold_as_many_points_each_and_a_peg_stands_in_the_thick_of_its_own()
    {
        var map = Map(12, 6, (x, _) => x + 1);
        var zones = YieldZones.Of(map, 3).Value;
        zones.Select(z => z.Points).ShouldBe([24, 24, 24]);
        zones.Select(z => Math.Round(z.To, 3)).ShouldBe([4.667, 8.333, 12]);
        zones.Sum(z => z.Share).ShouldBe(1, 1e-9);
        zones[0].Peg.X.ShouldBeLessThan(40);
        zones[2].Peg.X.ShouldBeGreaterThan(70);
        YieldZones.Quantile([1, 2, 3, 4], 0.5).ShouldBe(2.5);
        YieldZones.ZoneOf(8.0, [1, 4, 8, 12]).ShouldBe(2, "an edge belongs to the better zone");
        YieldZones.ZoneOf(12, [1, 4, 8, 12]).ShouldBe(2);
    }

    [Fact]
    public void A_map_that_tells_nothing_is_refused()
    {
        YieldZones.Of(Map(5, 5, (_, _) => 3), 3).Refused!.Problems[0].Wrong.ShouldBe("It yields the same everywhere.");
        YieldZones.Of(Map(2, 2, (x, _) => x), 3).Refused!.Problems[0].Field.ShouldBe("map");
        YieldZones.Of(Map(5, 5, (x, _) => x == 2 ? double.NaN : x), 3).Refused!.Problems[0].Field.ShouldBe("map");
        YieldZones.Of(Map(5, 5, (x, _) => x), 9).Refused!.Problems[0].Field.ShouldBe("zones");
    }
}
