using MudPie.Core.Judging.Statistics;

namespace MudPie.Core.Looking;

/// <summary>A check at a peg, as a goal counts it.</summary>
/// <param name="Peg">Which peg.</param>
/// <param name="On">When.</param>
/// <param name="Figure">What was found; never below nought.</param>
/// <param name="Lower">Lower end of its own interval; null where there is none.</param>
/// <param name="Upper">Upper end likewise.</param>
public sealed record GoalCheck(int Peg, DateOnly On, double Figure, double? Lower, double? Upper);

/// <summary>What a goal can be measured by, and what it is told in.</summary>
public static class GoalMeasures
{
    /// <summary>Most goals of a holding: a few.</summary>
    public const int Most = 12;

    /// <summary>A rolling year is looked at each so many days.</summary>
    private const int StepDays = 91, YearDays = 365;

    /// <summary>"bought nitrogen in twelve months", "worms a block".</summary>
    public static string Name(GoalMeasure measure, CheckKind? check, string? input) => measure switch {
        GoalMeasure.BoughtNitrogen => "bought nitrogen in twelve months",
        GoalMeasure.Uses => $"{input ?? "it"} put out in twelve months",
        GoalMeasure.Brix => "brix of the youngest full-grown leaf",
        GoalMeasure.Harvest => "harvested in twelve months",
        _ => CheckHows.Of(check ?? CheckKind.Worms).Measured,
    };

    /// <summary>"kg N a hectare", "times", "°Bx"; empty where the name says it.</summary>
    public static string Unit(GoalMeasure measure) => measure switch {
        GoalMeasure.BoughtNitrogen => "kg N a hectare",
        GoalMeasure.Uses => "times",
        GoalMeasure.Brix => "°Bx",
        GoalMeasure.Harvest => "kg",
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

    /// <summary>Days within which checks are of one round of the pegs.</summary>
    public const int RoundDays = 3;

    /// <summary>Rounds of the pegs as one figure each.</summary>
    /// <param name="checks">Of one kind, in any order; of a peg looked at twice in a round the later counts.</param>
    /// <param name="most">The most that there can be: 100 where the figure is per cent.</param>
    /// <remarks>One peg: its figure with its own interval. Several: their mean, with Student's interval from peg to peg, and no shorter
    /// than their own intervals make it. 5, 6 and 7 worms at three pegs within three days: 6, from 3.5 to 8.5. Source: statistics; a peg
    /// looked at today and another tomorrow are no change.</remarks>
    public static IReadOnlyList<GoalPoint> Rounds(IReadOnlyList<GoalCheck> checks, double most = double.PositiveInfinity)
    {
        List<List<GoalCheck>> rounds = [];
        foreach (var check in checks.OrderBy(c => c.On))
        {
            if (rounds.Count == 0 || check.On.DayNumber - rounds[^1][0].On.DayNumber > RoundDays)
            {
                rounds.Add([]);
            }

            rounds[^1].Add(check);
        }

        return [.. rounds.Select(round =>
        {
            List<GoalCheck> pegs = [.. round.GroupBy(c => c.Peg).Select(p => p.Last())];
            if (pegs is [var one])
            {
                return new GoalPoint(one.On, one.Figure, one.Lower, one.Upper);
            }

            var mean = Estimate.Of([.. pegs.Select(p => p.Figure)]);
            var own = Math.Sqrt(pegs.Sum(p => p.Upper - p.Lower is { } wide ? wide * wide / 4 : 0)) / pegs.Count;
            var half = Math.Max(mean.Half(), own);
            return new GoalPoint(round[^1].On, mean.Mean, Math.Max(0, mean.Mean - half), Math.Min(most,
                mean.Mean + half), pegs.Count);
        })];
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
