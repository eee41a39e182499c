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
