using MudPie.Core.Workings;

namespace MudPie.Core.Looking;

/// <summary>How a goal stands.</summary>
public enum GoalStands
{
    /// <summary>Better than the wanted line, beyond the noise.</summary>
    Ahead,

    /// <summary>On the line.</summary>
    OnIt,

    /// <summary>Worse than the wanted line, beyond the noise.</summary>
    Behind,

    /// <summary>Nothing was measured since, or it strays too far to tell.</summary>
    CantTell,
}

/// <summary>A measure of a goal at a day.</summary>
/// <param name="On">When.</param>
/// <param name="Value">How much.</param>
/// <param name="Lower">Where that may lie, low end; null where nothing says.</param>
/// <param name="Upper">High end.</param>
/// <param name="Pegs">Of so many pegs it is the mean; null of one alone, and of what is no check.</param>
public sealed record GoalPoint(DateOnly On, double Value, double? Lower = null, double? Upper = null, int? Pegs = null);

/// <summary>A goal as it is asked about.</summary>
/// <param name="Baseline">Before it was begun: may come from an old notebook.</param>
/// <param name="Target">What is wanted, by when.</param>
/// <param name="Points">What was measured since, in any order.</param>
/// <param name="Unit">"kg N/ha", "MPa", "°Bx".</param>
public sealed record GoalAsked(GoalPoint Baseline, GoalPoint Target, IReadOnlyList<GoalPoint> Points, string Unit);

/// <summary>A goal against its line.</summary>
/// <param name="Stands">Ahead, on it, behind, can't tell.</param>
/// <param name="Wanted">By the line, on the day of the last measure; the baseline where nothing was measured.</param>
/// <param name="Done">Share of the way from baseline to target that is gone; may be under 0 and over 1; null where nothing was
/// measured.</param>
/// <param name="Met">The target is reached, beyond the noise where that is known.</param>
/// <param name="Sentence">"behind: 96 kg N/ha; wanted by 1 Mar: 80".</param>
public sealed record GoalAnswer(GoalStands Stands, double Wanted, double? Done, bool Met, string Sentence);

/// <summary>Goals: the last measure with its interval against the straight line from the baseline to the target.</summary>
public static class GoalLine
{
    /// <summary>Where nothing says how far a measure strays, so much of the way from baseline to target counts as on the line.</summary>
    public const double Near = 0.1;

    /// <summary>What is wanted on a day: along a straight line, level after the target's day.</summary>
    /// <param name="q">The goal.</param>
    /// <param name="on">The day.</param>
    /// <remarks>From 120 on 1 March 2024 to 60 on 1 March 2027: 80 on 1 March 2026.</remarks>
    public static double Wanted(GoalAsked q, DateOnly on)
    {
        var (from, to) = (q.Baseline.On.DayNumber, q.Target.On.DayNumber);
        return q.Baseline.Value + ((q.Target.Value - q.Baseline.Value) * Math.Clamp((double)(on.DayNumber - from) / (to - from), 0, 1));
    }

    /// <summary>Works it out.</summary>
    /// <param name="q">The goal.</param>
    /// <remarks>Bought nitrogen from 120 to 60 kg a hectare in three years; 96 after two, measured to 2: wanted by now 80: behind, 40 % of
    /// the way. An interval that holds both the line and the baseline can't tell. Source: arithmetic, and the measure's own
    /// interval.</remarks>
    public static Ruling<GoalAnswer> Of(GoalAsked q)
    {
        var checks = new Checks();
        if (q.Target.On <= q.Baseline.On)
        {
            checks.Add("target.on", "The target lies before its baseline.", "Give a later day.");
        }

        if (!double.IsFinite(q.Baseline.Value) || !double.IsFinite(q.Target.Value) || q.Baseline.Value == q.Target.Value)
        {
            checks.Add("target.value", "Nothing is to change between baseline and target.", "Give another figure to reach.");
        }

        if (q.Points.Any(p => !double.IsFinite(p.Value)))
        {
            checks.Add("points", "One of them is no number.", "Leave it out.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var last = q.Points.Where(p => p.On > q.Baseline.On).OrderBy(p => p.On).LastOrDefault();
        if (last is null)
        {
            return Worked.Of(new GoalAnswer(GoalStands.CantTell, q.Baseline.Value, null, false, "can’t tell: nothing was measured since it "
                + "was begun"), q.Unit, Evidence.MeasuredHere);
        }

        var (way, wanted) = (q.Target.Value - q.Baseline.Value, Wanted(q, last.On));
        double Better(double value, double than) => (value - than) * Math.Sign(way); // above 0: nearer to the target than that
        var worst = way > 0 ? last.Lower ?? last.Value : last.Upper ?? last.Value;
        var best = way > 0 ? last.Upper ?? last.Value : last.Lower ?? last.Value;
        var known = last is { Lower: not null, Upper: not null };
        var stands = known
            ? Better(worst, wanted) > 0 ? GoalStands.Ahead : Better(best, wanted) < 0 ? GoalStands.Behind
                : Better(worst, q.Baseline.Value) <= 0 && wanted != q.Baseline.Value ? GoalStands.CantTell : GoalStands.OnIt
            : Math.Abs(last.Value - wanted) <= Near * Math.Abs(way) ? GoalStands.OnIt
                : Better(last.Value, wanted) > 0 ? GoalStands.Ahead : GoalStands.Behind;
        var answer = new GoalAnswer(stands, wanted, (last.Value - q.Baseline.Value) / way, Better(worst, q.Target.Value) >= 0,
            $"{Word(stands)}: {Say.Number(last.Value)}{Say.Unit(q.Unit)}; wanted by {Say.Day(last.On)}: {Say.Number(wanted)}");
        return Worked.Of(answer, q.Unit, Evidence.MeasuredHere,
            [
                new("wanted", "baseline + (target − baseline) × days gone ÷ days in all",
                    $"{Say.Number(q.Baseline.Value)} to {Say.Number(q.Target.Value)}, {Say.Date(q.Baseline.On)} to {Say.Date(q.Target.On)}",
                    $"{Say.Number(wanted)}{Say.Unit(q.Unit)}", "a straight line"),
                new("measured", known ? "with its interval" : $"without an interval: within {Near * 100:0} % of the way is on the line",
                    Say.Date(last.On) + (last.Pegs is { } pegs ? $", mean of {Say.Count(pegs, "peg")}, by Student’s t from peg to peg"
                        : ""), known
                        ? $"{Say.Number(last.Value)}, {Say.Number(last.Lower!.Value)} to {Say.Number(last.Upper!.Value)}"
                        : Say.Number(last.Value), "measured here"),
            ]);
    }

    /// <summary>"ahead", "on it", "behind", "can't tell".</summary>
    public static string Word(GoalStands stands) => stands switch {
        GoalStands.Ahead => "ahead",
        GoalStands.OnIt => "on it",
        GoalStands.Behind => "behind",
        _ => "can’t tell",
    };
}
