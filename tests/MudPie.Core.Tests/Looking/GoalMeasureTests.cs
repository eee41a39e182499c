using MudPie.Core.Looking;

namespace MudPie.Core.Tests.Looking;

/// <summary>What goals are measured by, and what follows.</summary>
public class GoalMeasureTests
{
    private static readonly DateOnly January = new(2024, 1, 1);

    private static readonly (DateOnly, double)[] Monthly = [.. Enumerable.Range(0, 28).Select(i => (January.AddMonths(i), 10.0))];

    [Fact]
    public void A_rolling_year_begins_where_a_whole_one_is_in_the_book()
    {
        var points = GoalMeasures.Rolling(Monthly, January, new(2023, 6, 1), new(2026, 1, 10));
        points[0].On.ShouldBe(January.AddDays(365));
        points.Where(p => p.On < new DateOnly(2026, 1, 1)).ShouldAllBe(p => p.Value >= 110 && p.Value <= 130);
        points[^1].On.ShouldBe(new(2026, 1, 10));
        GoalMeasures.Rolling(Monthly, January, new(2023, 6, 1), new(2024, 7, 1)).ShouldBeEmpty("half a year says nothing of a year");
        GoalMeasures.Rolling([], January, new(2023, 6, 1), new(2025, 1, 10)).ShouldAllBe(p => p.Value == 0, "nothing bought is nought");
        GoalMeasures.Rolling(Monthly, January, new(2025, 6, 1), new(2025, 6, 1)).Single().On.ShouldBe(new(2025, 6, 1));
    }

    [Fact]
    public void Pegs_of_one_round_are_one_figure_with_the_interval_from_peg_to_peg()
    {
        GoalCheck At(int peg, int day, double worms, double? give = null) => new(peg, January.AddDays(day), worms, worms - give, worms
            + give);
        var points = GoalMeasures.Rounds([At(3, 2, 7), At(1, 0, 5), At(2, 1, 6), At(1, 90, 8, 2), At(1, 200, 3), At(2, 201, 1), At(1, 202,
            9)]);
        points.Count.ShouldBe(3);
        points.Select(x => x.Pegs).ShouldBe([3, null, 2]);
        GoalLine.Of(new(new(January.AddDays(-9), 2), new(January.AddDays(700), 12), [points[0]], "")).Worked.Working[1].Figures
            .ShouldBe("3 Jan 2024, mean of 3 pegs, by Student’s t from peg to peg");
        points[0].On.ShouldBe(January.AddDays(2));
        points[0].Value.ShouldBe(6, 1e-9);
        points[0].Lower!.Value.ShouldBe(3.516, 0.001); // t of 2 degrees is 4.3027, s is 1
        points[0].Upper!.Value.ShouldBe(8.484, 0.001);
        (points[1].Value, points[1].Lower, points[1].Upper).ShouldBe((8, 6, 10));
        points[2].Value.ShouldBe(5, "9 was found later at the peg where 3 was, and counts");
        points[2].Lower.ShouldBe(0, "nothing lies below nought");
        GoalMeasures.Rounds([At(1, 0, 4, 3), At(2, 0, 4, 3)]).Single().Upper!.Value.ShouldBe(4 + (3 / Math.Sqrt(2)), 1e-9,
            "pegs that agree know no more than each of them");
        GoalMeasures.Rounds([At(1, 0, 4), At(1, 3, 4), At(1, 4, 4)]).Count.ShouldBe(2);
        GoalMeasures.Rounds([At(1, 0, 60), At(2, 0, 98)], 100).Single().Upper.ShouldBe(100, "no more than all of them");
        GoalMeasures.Rounds([]).ShouldBeEmpty();
    }

    [Fact]
    public void Every_measure_has_a_name_and_a_check_its_own()
    {
        Enum.GetValues<GoalMeasure>().ShouldAllBe(m => GoalMeasures.Name(m, CheckKind.Rod, "kelp").Length > 3);
        GoalMeasures.Name(GoalMeasure.Check, CheckKind.Rod, null).ShouldBe("hardest depth, MPa");
        GoalMeasures.Name(GoalMeasure.Uses, null, "kelp").ShouldBe("kelp put out in twelve months");
        GoalMeasures.Unit(GoalMeasure.Check).ShouldBeEmpty();
    }

    [Theory]
    [InlineData(GoalStands.Behind, false, "sow clover", "If it stays so: sow clover")]
    [InlineData(GoalStands.Behind, false, null, "Say what follows if it is missed, and do it sooner.")]
    [InlineData(GoalStands.CantTell, false, "x", "Measure it again: more readings make the interval shorter.")]
    [InlineData(GoalStands.OnIt, false, "x", "Go on as you do.")]
    [InlineData(GoalStands.Ahead, true, "x", "Met: keep it, or set the next one.")]
    public void What_follows_is_said(GoalStands stands, bool met, string? ifMissed, string says) =>
        GoalMeasures.Follows(new GoalAnswer(stands, 1, 0.5, met, ""), ifMissed).ShouldBe(says);
}
