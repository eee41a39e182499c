using MudPie.Core.Judging.Statistics;
using MudPie.Core.Workings;

namespace MudPie.Core.Looking;

/// <summary>What changed from one check to a later one of the same kind.</summary>
/// <param name="Word">"more", "fewer", "softer", "inside the noise".</param>
/// <param name="Better">True for better, false for worse, null where it is inside the noise or neither.</param>
/// <param name="Change">Difference, or times as many.</param>
/// <param name="Times">It is a ratio.</param>
/// <param name="Says">"2.6 times as many, 1.4 to 5.4".</param>
public sealed record CheckChanged(string Word, bool? Better, Between Change, bool Times, string Says);

/// <summary>Change with its interval: counts as a rate ratio, shares exactly, pushes by their spread.</summary>
public static class CheckChange
{
    /// <summary>What is said of two single readings: no verdict, as nothing says how far they stray.</summary>
    public const string OneEach = "one reading each";

    /// <summary>Repeats stray more than chance where their variance is so many times their mean.</summary>
    public const double Strays = 1.5;

    /// <summary>Works it out; refused where the two can't be held against each other.</summary>
    /// <param name="before">The earlier one.</param>
    /// <param name="after">The later one.</param>
    /// <remarks>13 worms in three blocks, then 34: 2.6 times as many, 1.3 to 5.4: more. Ten pushes of 2.9 and ten of 2.1 MPa at the depth
    /// of the old pan: by Welch.</remarks>
    public static Ruling<CheckChanged> Of(CheckAsked before, CheckAsked after)
    {
        var (a, b) = (CheckReading.Of(after), CheckReading.Of(before));
        if ((a.Refused ?? b.Refused) is { } unread)
        {
            return unread;
        }

        if (before.Kind != after.Kind)
        {
            return Refusal.Of("kind", "Those are two kinds of check.", "Hold a check against an earlier one of its kind.");
        }

        return after.Kind switch {
            CheckKind.Worms => Counts(before.Counts!, after.Counts!, 1, ("more", "fewer"), true),
            CheckKind.Weeds => Counts(Frames(before), Frames(after), CheckReading.FrameM2, ("more", "fewer"), null),
            CheckKind.Crumbs => Shares((before.Classes!.Count(c => c >= 4), before.Classes!.Count),
                (after.Classes!.Count(c => c >= 4), after.Classes!.Count), ("hold better", "hold less"), true),
            CheckKind.Roots => Shares((before.Turned!.Value, before.Plants!.Value), (after.Turned!.Value, after.Plants!.Value),
                ("more turn aside", "straighter"), false),
            CheckKind.Nodules when before.Cut > 0 && after.Cut > 0 => Shares((before.Pink!.Value, before.Cut!.Value), (after.Pink!.Value,
                after.Cut!.Value), ("more pink", "fewer pink"), true),
            CheckKind.Rod => Rod(before, after),
            _ => Plain(b.Value, a.Value),
        };
    }

    private static List<int> Frames(CheckAsked r) => [.. Enumerable.Range(0, r.Weeds!.Max(w => w.Counts!.Count))
        .Select(i => r.Weeds!.Sum(w => i < w.Counts!.Count ? w.Counts[i] : 0))];

    private static Worked<CheckChanged> Counts(IReadOnlyList<int> before, IReadOnlyList<int> after, double unit,
        (string Up, string Down) words,
        bool? upIsBetter)
    {
        var (straying, phi) = before.Count > 1 && after.Count > 1 ? Exact.Overdispersed(after, before) : (null, 1.0);
        var ratio = straying is not null && phi >= Strays ? straying
            : Exact.RateRatio(after.Sum(), after.Count * unit, before.Sum(), before.Count * unit);
        var told = ratio.Lower > 1 ? words.Up : ratio.Upper < 1 ? words.Down : null;
        var says = double.IsNaN(ratio.Value) ? "none then, none now" : !double.IsFinite(ratio.Value) ? "none before"
            : $"{Say.Number(ratio.Value, 2)} times as many, {Say.Number(ratio.Lower, 2)} to "
                + (double.IsFinite(ratio.Upper) ? Say.Number(ratio.Upper, 2) : "no end");
        return Told(told, told is null ? null : upIsBetter is { } up ? ratio.Lower > 1 == up : null, ratio, true, says,
            straying is not null && phi >= Strays ? $"rate ratio on the log scale, variance {Say.Number(phi, 2)} times the mean "
                + $"(quasi-Poisson)"
                : "rate ratio, exact given the sum (Poisson)", $"{after.Sum()} in {after.Count} after {before.Sum()} in {before.Count}");
    }

    private static Worked<CheckChanged> Shares((int Some, int All) before, (int Some, int All) after, (string Up, string Down) words,
        bool upIsBetter)
    {
        var p = Germination.Exact(after.Some, after.All - after.Some, before.Some, before.All - before.Some).P;
        var (a, b) = (Exact.Share(after.Some, after.All), Exact.Share(before.Some, before.All));
        var d = a.Value - b.Value;
        // The difference's ends by both shares' own exact ends (Newcombe's square and add).
        double End(double x, double y) => Math.Sqrt((x * x) + (y * y));
        var change = new Between(d, d - End(a.Value - a.Lower, b.Upper - b.Value), d + End(a.Upper - a.Value, b.Value - b.Lower));
        var told = p >= 0.05 ? null : d > 0 ? words.Up : words.Down;
        return Told(told, told is null ? null : d > 0 == upIsBetter, change, false,
            $"{after.Some} of {after.All} after {before.Some} of {before.All}", $"Fisher’s exact test, p {Say.Number(p, 2)}",
            $"{after.Some}/{after.All}, {before.Some}/{before.All}");
    }

    private static Worked<CheckChanged> Rod(CheckAsked before, CheckAsked after)
    {
        var (then, now) = (RodReading.Mpa(before.Pushes, before.Psi), RodReading.Mpa(after.Pushes, after.Psi));
        var worst = RodReading.Trace(then).MaxBy(d => d.Mpa)!;
        var index = (int)Math.Round(worst.Cm / CheckReading.RodStepCm) - 1;
        var (a, b) = (RodReading.At(now, index), RodReading.At(then, index));
        if (a.Count == 0 || Exact.Difference(a, b) is not { } d)
        {
            return Told(null, null, new Between(a.Count == 0 ? double.NaN : a.Average() - b.Average(), double.NegativeInfinity,
                double.PositiveInfinity), false, $"too few pushes at {worst.Cm} cm to tell", "Welch, by the spread of the pushes",
                $"{a.Count} after {b.Count}");
        }

        var told = d.Upper < 0 ? "softer" : d.Lower > 0 ? "harder" : null;
        return Told(told, told is null ? null : d.Upper < 0, d, false,
            $"{Say.Number(a.Average(), 2)} MPa at {worst.Cm} cm after {Say.Number(b.Average(), 2)}; give or take "
                + Say.Number((d.Upper - d.Lower) / 2, 2), "difference of means by the spread of the pushes (Welch)",
                    $"{a.Count} pushes after "
                + $"{b.Count}, at {worst.Cm} cm");
    }

    private static Worked<CheckChanged> Plain(CheckAnswer before, CheckAnswer after)
    {
        var d = after.Figure - before.Figure;
        return Told(OneEach, null, new Between(d, double.NegativeInfinity, double.PositiveInfinity), false,
            $"{Say.Number(after.Figure, 2)} {after.Unit} after {Say.Number(before.Figure, 2)}",
                "one reading each: nothing says how far it strays",
            "");
    }

    private static Worked<CheckChanged> Told(string? told, bool? better, Between change, bool times, string says, string formula,
        string figures) => Worked.Of(new CheckChanged(told ?? "inside the noise", better, change, times, says), "", Evidence.MeasuredHere,
            [new("change", formula, figures, told ?? "inside the noise", "95 %; one visit each is one look each")]);
}
