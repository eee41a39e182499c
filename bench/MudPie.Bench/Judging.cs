using MudPie.Core.Judging;
using MudPie.Core.Judging.Trials;

namespace MudPie.Bench;

/// <summary>What judging takes.</summary>
internal static class Judging
{
    private static readonly TrialQuestion Question = new() {
        Design = Design.Blocks,
        Factors = ["treatment"],
        WorthHaving = 0.2,
        Rows = [.. Enumerable.Range(0, 24)
            .Select(i => new TrialRow { Plot = $"{i}", Levels = [$"t{i % 4}"], Block = $"{i / 4}", Value = 3 + (0.1 * (i % 4))
                + (0.07 * (i * 7 % 11)) })],
    };

    public static int Trial() => TrialAnalysis.Of(Question).Value.Tukey.Count;

    private static readonly TrialQuestion Gaps = Question with {
        Control = "t0",
        Rows = [.. Enumerable.Range(0, 56).Where(i => i is not (3 or 17 or 30))
            .Select(i => new TrialRow { Plot = $"{i}", Levels = [$"t{i % 14}"], Block = $"{i / 14}", Value = 3 + (0.1 * (i % 14))
                + (0.07 * (i * 7 % 11)) })],
    };

    /// <summary>Fourteen treatments with plots missing: correlations that no product makes.</summary>
    public static int Unequal() => TrialAnalysis.Of(Gaps).Value.Dunnett.Count;

    private static readonly Dictionary<string, TrialQuestion> Asked = [];

    /// <summary>A trial of blocks × whole plots × parts, of thousands of plots.</summary>
    public static int Large(Design design, int blocks, int whole, int within)
    {
        var two = design != Design.Blocks;
        if (!Asked.TryGetValue($"{design} {blocks}", out var question))
        {
            var chance = new Random(5);
            question = Asked[$"{design} {blocks}"] = new TrialQuestion {
                Design = design,
                Factors = two ? ["a", "t"] : ["t"],
                Control = two ? "a0, t0" : "t0",
                WorthHaving = 0.5,
                Rows = [.. from b in Enumerable.Range(0, blocks) from w in Enumerable.Range(0, whole) from p in Enumerable.Range(0,
                    within) select new TrialRow { Plot = $"{b}-{w}-{p}", Block = $"b{b}", WholePlot = design == Design.SplitPlot
                        ? $"w{w}" : null, Levels = two ? [$"a{w}", $"t{p}"] : [$"t{p}"], Value = 20 + chance.NextDouble() + (0.1 * p) }],
            };
        }

        return TrialAnalysis.Of(question).Value.Dunnett.Count;
    }

    public static int Practice() =>
        PracticePlot.Of(new PracticePlotQuestion {
            Seed = 3, Replicates = 6, Layout = "blocks",
            Decision = Finding.Works
        }).Value.Truth!.Yours.Tries;
}
