using MudPie.Core.Judging.Statistics;
using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Trials;

/// <summary>Verdicts from where the whole interval lies, never from p alone.</summary>
public static class TrialVerdicts
{
    /// <summary>The verdict on an interval of treatment less control in the wanted direction.</summary>
    /// <param name="lower">Its lower end.</param>
    /// <param name="upper">Its upper end.</param>
    /// <param name="worth">The smallest difference worth having, above 0; null where none was set: then nothing can be called "works" or
    /// "no useful difference".</param>
    /// <remarks>[0.2, 0.5] against 0.15 works; [0.05, 0.5] is some effect; [−0.1, 0.1] no useful difference; [−0.3, −0.1] does harm;
    /// [−0.02, 0.36] cannot tell yet.</remarks>
    public static Finding Of(double lower, double upper, double? worth) => (lower, upper, worth) switch {
        ( { } l, _, { } line) when l >= line => Finding.Works,
        ( > 0, _, _) => Finding.Some,
        (_, < 0, _) => Finding.Harm,
        var (l, u, line) when line is { } w && -w < l && u < w => Finding.NoUse,
        _ => Finding.CannotTell,
    };

    /// <summary>More plots of each treatment, so that a true difference of <paramref name="worth"/> is seen eight times in ten.</summary>
    /// <returns>0 where there are enough already; at most 10,000.</returns>
    public static int More(double sd, double worth, int have, int compared)
    {
        var need = Replicates.PerGroup(worth, sd, 0.05 / Math.Max(1, compared), 0.8, paired: false);
        return Math.Clamp((int)Math.Ceiling(need - 1e-9) - have, 0, 10_000);
    }

    /// <summary>One verdict for a measure: the best news that any treatment bears out, and harm before doubt.</summary>
    public static Finding Headline(IReadOnlyList<ComparisonVerdict> verdicts) =>
        new Finding?[] { Finding.Works, Finding.Some, Finding.Harm, Finding.CannotTell }.FirstOrDefault(w => verdicts.Any(v => v.Word == w))
            ?? Finding.NoUse;

    internal static ComparisonVerdict Judge(TrialQuestion q, TrialComparison c, double? wideLower, double? wideUpper, double? sd, int plots,
        int compared, RankTest? ranks, bool uneven)
    {
        var unit = Say.Unit(q.Unit);
        if (wideLower is not { } lower || wideUpper is not { } upper)
        {
            return new(c.Of, c.Against, Finding.CannotTell, c.Difference, null, null,
                $"{Cap(Quoted(c.Of))} gave {More(c.Difference, unit)} than {Quoted(c.Against)}. One of each is a look, not a test: "
                    + "nothing tells how far two plots differ by themselves.", null, null);
        }

        var (l, u) = q.LowerIsBetter ? (-upper, -lower) : (lower, upper);
        var word = Of(l, u, q.WorthHaving);
        if (q.Kind == Scale.Score && ranks is { P: >= 0.05 } && word is Finding.Works or Finding.Some or Finding.Harm)
        {
            word = Finding.CannotTell; // a score knows order only, and its order does not bear this out
        }

        var why = "";
        if (!(q.Kind == Scale.Score && ranks is { P: < 0.05 }) && upper - lower <= 1e-12 * (Math.Abs(upper) + Math.Abs(lower)))
        {
            (word, why) =
                (Finding.CannotTell,
                    " Plots treated alike are alike to the last digit: that is no proof of anything, look how they were measured.");
        }
        else if (uneven && word is Finding.Works or Finding.Some or Finding.Harm or Finding.NoUse)
        {
            (word, why) =
                (Finding.CannotTell,
                    " Some treatments stray far more than others, so the common noise is wrong for each: you can’t tell by it.");
        }

        var half = (upper - lower) / 2;
        var line = q.WorthHaving is { } w ? $" You said {Say.Number(w)}{unit} would be worth it." : " No line worth having was set.";
        var sentence =
            $"{Cap(Quoted(c.Of))} gave {More(c.Difference, unit)} than {Quoted(c.Against)}, give or take {Say.Number(half, 2)}.{line}{why}";
        int? more = word is Finding.CannotTell or Finding.Some && q.WorthHaving is { } worth && sd is > 0
            ? More(sd.Value, worth, plots, compared * q.Looked) : null;
        return new(c.Of, c.Against, word, c.Difference, lower, upper, sentence, more, q.NoWorseBy is { } margin ? l > -margin : null);
    }

    /// <summary>"0.17 kg more", "2.1 °Bx less".</summary>
    private static string More(double difference, string unit) =>
        $"{Say.Number(Math.Abs(difference))}{unit} {(difference < 0 ? "less" : "more")}";

    /// <summary>A crossed treatment in quotes, so that its comma does not cut the sentence.</summary>
    internal static string Quoted(string name) => name.Contains(", ", StringComparison.Ordinal) ? $"“{name}”" : name;

    private static string Cap(string s) => s.Length == 0 ? s : char.ToUpperInvariant(s[0]) + s[1..];
}
