namespace MudPie.Core.Looking;

/// <summary>What a goal can be measured by, and what it is told in.</summary>
public static class GoalMeasures
{
    /// <summary>Most goals of a holding: a few.</summary>
    public const int Most = 12;

    /// <summary>A rolling year is looked at each so many days.</summary>
    private const int StepDays = 91, YearDays = 365;

    /// <summary>"bought nitrogen in twelve months", "worms a block".</summary>
    public static string Name(GoalMeasure measure, CheckKind? check, string? input) => measure switch {
        GoalMeasure.BoughtNitrogen => "bought nitrogen in twelve months", GoalMeasure.Uses => $"{input ?? "it"} put out in twelve months",
        GoalMeasure.Brix => "brix of the youngest full-grown leaf", GoalMeasure.Harvest => "harvested in twelve months",
        _ => CheckHows.Of(check ?? CheckKind.Worms).Measured,
    };

    /// <summary>"kg N a hectare", "times", "°Bx"; empty where the name says it.</summary>
    public static string Unit(GoalMeasure measure) => measure switch {
        GoalMeasure.BoughtNitrogen => "kg N a hectare", GoalMeasure.Uses => "times", GoalMeasure.Brix => "°Bx", GoalMeasure.Harvest => "kg",
        _ => "",
    };

    /// <summary>Sums of twelve months, each quarter from the first day that has a whole year behind it, and today.</summary>
    /// <param name="amounts">What was written down, and when.</param>
    /// <param name="since">The book begins.</param>
    /// <param name="from">No sooner than this: the baseline.</param>
    /// <param name="today">The last sum.</param>
    /// <remarks>10 kg each month since January 2024, from January 2025 to April 2025: 120 on each day. A book of six months has none: half
    /// a year says nothing of a year. Source: arithmetic.</remarks>
    public static IReadOnlyList<GoalPoint> Rolling(IReadOnlyList<(DateOnly On, double Amount)> amounts, DateOnly since, DateOnly from,
        DateOnly today)
    {
        var first = since.AddDays(YearDays) > from ? since.AddDays(YearDays) : from;
        if (first > today)
        {
            return [];
        }

        List<DateOnly> days = [.. Enumerable.Range(0, ((today.DayNumber - first.DayNumber) / StepDays) + 1).Select(i => first.AddDays(i
            * StepDays)), today];
        return [.. days.Distinct().Select(d => new GoalPoint(d, amounts.Where(a => a.On > d.AddDays(-YearDays) && a.On <= d)
            .Sum(a => a.Amount)))];
    }

    /// <summary>What follows from how it stands, with the grower's own words where it is missed.</summary>
    /// <param name="answer">How it stands.</param>
    /// <param name="ifMissed">What the grower said would follow.</param>
    /// <remarks>Behind, "sow more clover": "If it stays so: sow more clover."</remarks>
    public static string Follows(GoalAnswer answer, string? ifMissed) => answer switch {
        { Met: true } => "Met: keep it, or set the next one.",
        { Stands: GoalStands.Behind } when ifMissed is not null => $"If it stays so: {ifMissed}",
        { Stands: GoalStands.Behind } => "Say what follows if it is missed, and do it sooner.",
        { Stands: GoalStands.CantTell } => "Measure it again: more readings make the interval shorter.",
        _ => "Go on as you do.",
    };
}
