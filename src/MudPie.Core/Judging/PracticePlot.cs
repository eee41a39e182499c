using MudPie.Core.Judging.Trials;
using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Judging;

/// <summary>A practice trial: what the grower chose and, once decided, how it was called.</summary>
public sealed record PracticePlotQuestion
{
    /// <summary>Another seed hides another truth.</summary>
    public int Seed { get; init; } = 1;

    /// <summary>Plots of each, 1 to 20.</summary>
    public double? Replicates { get; init; }

    /// <summary>"halves" (one side against the other), "random", "blocks" (across the slope) or "alternate".</summary>
    public string? Layout { get; init; }

    /// <summary>What was decided; null while not decided.</summary>
    public Finding? Decision { get; init; }
}

/// <summary>A plot of the practice field.</summary>
public sealed record PracticeFieldPlot(int Column, int Row, bool Treated, int? Block, double Value);

/// <summary>How a choice would have done in a thousand fields like this one.</summary>
/// <param name="Tries">How many.</param>
/// <param name="Words">Each verdict with how often it came.</param>
/// <param name="Right">Share in which the verdict was right, 0 to 1.</param>
/// <param name="Wrong">Share in which it was wrong: not merely undecided.</param>
/// <param name="Differences">Estimated differences in bins: for drawing.</param>
public sealed record PracticeTries(int Tries, IReadOnlyList<PracticeWord> Words, double Right, double Wrong,
    IReadOnlyList<PracticeBin> Differences);

/// <summary>A verdict and how often it came.</summary>
public sealed record PracticeWord(Finding Word, int Times, bool Right);

/// <summary>A bin of estimated differences.</summary>
public sealed record PracticeBin(double From, double To, int Times);

/// <summary>What was hidden.</summary>
public sealed record PracticePlotTruth(double Effect, double Noise, double Slope, Finding RightWord, bool DecidedRight, string Account,
    PracticeTries Yours, IReadOnlyList<PracticeRival> Others);

/// <summary>How another choice would have done on the same field.</summary>
public sealed record PracticeRival(string Name, double Right, double Wrong);

/// <summary>The practice field as the grower sees it.</summary>
/// <param name="Story">What is told at the start.</param>
/// <param name="Worth">Smallest difference worth having, in the unit.</param>
/// <param name="Columns">Plots across the field.</param>
/// <param name="Rows">Plots down the slope.</param>
/// <param name="Plots">The data; empty before the choice.</param>
/// <param name="Answer">What the analysis says; null where nothing is chosen.</param>
/// <param name="Truth">What was hidden; null before the decision.</param>
/// <param name="Unit">"t a hectare", or "tons an acre" (of 2,000 lb) in a US holding.</param>
public sealed record PracticePlotAnswer(string Story, double Worth, int Columns, int Rows, IReadOnlyList<PracticeFieldPlot> Plots,
    TrialAnswer? Answer, PracticePlotTruth? Truth, string Unit);

/// <summary>The trainer: a simulated field with a hidden truth. Nothing is kept: the same question gives the same field.</summary>
public static class PracticePlot
{
    /// <summary>How it can be laid out.</summary>
    public static readonly IReadOnlyList<string> Layouts = ["halves", "alternate", "random", "blocks"];

    private const double Worth = 0.4;
    private const int Tries = 1000;

    // So that the first field teaches what slopes do: nothing to find, and a steep one.
    private const ulong First = 87;

    /// <summary>A yield as the holding says it: t a hectare, or tons of 2,000 lb an acre.</summary>
    private sealed record Told(string Unit, double Times)
    {
        public static Told In(UnitSystem units) => units.IsUs() ? new("tons an acre", Per.Large(1000, units) / (2000 * 0.45359237))
            : new("t a hectare", 1);

        public double Of(double x) => Times == 1 ? x : Math.Round(x * Times, 3);
    }

    /// <summary>Plays as far as the question goes.</summary>
    /// <param name="q">What was chosen so far.</param>
    /// <param name="units">Units that the field is told in; it is the same field.</param>
    public static Ruling<PracticePlotAnswer> Of(PracticePlotQuestion q, UnitSystem units = UnitSystem.Metric)
    {
        var told = Told.In(units);
        var (effect, noise, slope) = Hidden(q.Seed);
        var story = $"A field of oats slopes from a wet end to a dry one. Somebody sells a drench for it; {Say.Number(told.Of(Worth), 2)} "
            + $"{told.Unit} more would pay for it. Choose how many plots of each and how they lie; then say what you make of the harvest.";
        if (q.Replicates is null && q.Layout is null)
        {
            return Worked.Of(new PracticePlotAnswer(story, told.Of(Worth), 0, 0, [], null, null, told.Unit), told.Unit,
                Evidence.ChemistryOrPhysics);
        }

        var checks = new Checks();
        var n = (int)checks.Range("replicates", q.Replicates, 1, 20, "plots of each");
        if (q.Layout is null || !Layouts.Contains(q.Layout))
        {
            checks.Add("layout", q.Layout is null ? "Nothing was chosen." : $"“{q.Layout}” is not known here.",
                $"Choose {Say.Any(Layouts)}.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var plots = Field(q.Layout!, n, effect, noise, slope, new SeededRandom((ulong)q.Seed * 7919));
        List<PracticeFieldPlot> shown = [.. plots.Select(p => p with { Value = told.Of(p.Value) })];
        var answer = TrialAnalysis.Of(Ask(shown, q.Layout!) with { Unit = told.Unit, WorthHaving = told.Of(Worth) }).Value;
        return Worked.Of(
            new PracticePlotAnswer(story, told.Of(Worth), n, 2, shown, answer, q.Decision is null
                ? null : Reveal(q, n, effect, noise, slope, told), told.Unit),
            told.Unit, Evidence.ChemistryOrPhysics);
    }

    /// <summary>What a seed hides: nothing in a third of fields, a little, or enough to pay.</summary>
    private static (double Effect, double Noise, double Slope) Hidden(int seed)
    {
        var random = new SeededRandom((ulong)seed + First);
        var effect = random.Below(3) switch { 0 => 0, 1 => 0.15 + (0.15 * random.Next()), _ => 0.5 + (0.5 * random.Next()) };
        return (Math.Round(effect, 2), 0.2 + (0.25 * random.Next()), (random.Below(2) == 0 ? -1 : 1) * (0.6 + (1.4 * random.Next())));
    }

    internal static List<PracticeFieldPlot> Field(string layout, int n, double effect, double noise, double slope, SeededRandom random)
    {
        var count = 2 * n;
        bool[] treated = layout switch {
            "halves" => [.. Enumerable.Range(0, count).Select(i => i >= n)],
            "alternate" => [.. Enumerable.Range(0, count).Select(i => i % 2 == 1)],
            "blocks" => [.. Enumerable.Range(0, n).SelectMany(_ => random.Below(2) == 0 ? new[] { true, false } : [false, true])],
            _ => random.Shuffled(Enumerable.Range(0, count).Select(i => i % 2 == 0)),
        };
        return
        [
            .. treated.Select((t, i) => new PracticeFieldPlot(
                i / 2, i % 2, t, layout == "blocks" ? (i / 2) + 1 : null,
                Math.Round(4.6 + (slope * (count == 1 ? 0 : ((double)i / (count - 1)) - 0.5)) + (t ? effect : 0)
                    + (noise * random.NextNormal()), 2))),
        ];
    }

    internal static TrialQuestion Ask(List<PracticeFieldPlot> plots, string layout) => new() {
        Response = "yield",
        Unit = "t a hectare",
        Factors = ["treatment"],
        Control = "nothing",
        WorthHaving = Worth,
        Design = layout == "blocks" && plots.Count > 2 ? Design.Blocks : Design.Random,
        Rows = [.. plots.Select((p, i) => new TrialRow { Plot = $"plot {i + 1}", Levels = [p.Treated ? "drench" : "nothing"],
            Block = p.Block?.ToString(System.Globalization.CultureInfo.InvariantCulture), Value = p.Value })],
    };

    private static PracticePlotTruth Reveal(PracticePlotQuestion q, int n, double effect, double noise, double slope, Told told)
    {
        var right = TrialVerdicts.Of(effect, effect, Worth);
        var yours = Try(q.Layout!, n, effect, noise, slope, q.Seed, right);
        var others = Layouts.Where(l => l != q.Layout)
            .Select(l => (Name: $"{Named(l)}, {n} of each", Tried: Try(l, n, effect, noise, slope, q.Seed, right)))
            .Append(n >= 20 ? default : (Name: $"{Named("blocks")}, {Math.Min(20, n * 2)} of each",
                Tried: Try("blocks", Math.Min(20, n * 2), effect, noise, slope, q.Seed, right)))
            .Where(x => x.Name is not null).Select(x => new PracticeRival(x.Name, x.Tried.Right, x.Tried.Wrong)).ToList();
        var decidedRight = q.Decision == right;
        var account =
            $"The drench truly gave {Say.Number(told.Of(effect))} {told.Unit}: {right.Word()}. You said: {q.Decision!.Value.Word()}. The "
                + $"field slopes by {Say.Number(told.Of(Math.Abs(slope)))} from end to end and plots stray "
                + $"by {Say.Number(told.Of(noise), 2)}. "
            + (q.Layout == "halves" ? "With one side against the other, the slope was counted as the drench. " : q.Layout == "blocks"
                ? "Blocks took the slope out. " : "The slope went into the noise. ")
            + (decidedRight ? "You were right." : q.Decision == Finding.CannotTell ? "Not knowing is no mistake, but it settles nothing."
                : "That was not so.");
        yours = yours with { Differences = [.. yours.Differences.Select(b => b with { From = told.Of(b.From), To = told.Of(b.To) })] };
        return new(told.Of(effect), Math.Round(told.Of(noise), 2), Math.Round(told.Of(slope), 2), right, decidedRight, account,
            yours, others);
    }

    private static string Named(string layout) => layout switch {
        "halves" => "one side against the other",
        "alternate" =>
        "turn and turn about",
        "blocks" => "blocks across the slope",
        _ => "by lot over the whole"
    };

    /// <summary>The same verdict as the whole analysis gives two treatments, without its tables: paired t in blocks, else
    /// Welch's.</summary>
    internal static (Finding Verdict, double Difference) Quick(List<PracticeFieldPlot> plots, bool blocks)
    {
        double[] Of(bool treated) => [.. plots.Where(p => p.Treated == treated).OrderBy(p => p.Block ?? 0).Select(p => p.Value)];
        var (plain, drench) = (Of(false), Of(true));
        var (n, difference) = (plain.Length, drench.Average() - plain.Average());
        if (n < 2)
        {
            return (Finding.CannotTell, difference);
        }

        static double Squares(double[] x) => x.Sum(v => (v - x.Average()) * (v - x.Average())) / (x.Length - 1);
        double se, df;
        if (blocks)
        {
            (se, df) = (Math.Sqrt(Squares([.. drench.Zip(plain, (a, b) => a - b)]) / n), n - 1);
        }
        else
        {
            var (a, b) = (Squares(plain) / n, Squares(drench) / n);
            (se, df) = (Math.Sqrt(a + b), a + b > 0 ? (a + b) * (a + b) * (n - 1) / ((a * a) + (b * b)) : (2 * n) - 2);
        }

        var half = Statistics.Distribution.CriticalT(0.05, df) * se;
        return (TrialVerdicts.Of(difference - half, difference + half, Worth), difference);
    }

    private static PracticeTries Try(string layout, int n, double effect, double noise, double slope, int seed, Finding right)
    {
        var random = new SeededRandom((ulong)seed + 17);
        var (times, differences) = (new Dictionary<Finding, int>(), new List<double>(Tries));
        for (var i = 0; i < Tries; i++)
        {
            var (verdict, difference) = Quick(Field(layout, n, effect, noise, slope, random), layout == "blocks");
            times[verdict] = times.GetValueOrDefault(verdict) + 1;
            differences.Add(difference);
        }

        var (low, high) = (Math.Min(differences.Min(), 0), Math.Max(differences.Max(), Worth));
        var step = (high - low) / 24;
        var words = times.Select(t => new PracticeWord(t.Key, t.Value, t.Key == right)).OrderByDescending(w => w.Times).ToList();
        return new(
            Tries, words, times.GetValueOrDefault(right) / (double)Tries, words.Where(w => !w.Right && w.Word != Finding.CannotTell)
                .Sum(w => w.Times) / (double)Tries,
            [.. Enumerable.Range(0, 24)
                .Select(b => new PracticeBin(low + (b * step), low + ((b + 1) * step),
                    differences.Count(d => d >= low + (b * step) && (d < low + ((b + 1) * step) || b == 23))))]);
    }
}
