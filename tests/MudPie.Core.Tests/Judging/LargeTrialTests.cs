using MudPie.Core.Judging.Trials;

namespace MudPie.Core.Tests.Judging;

/// <summary>Trials of thousands of plots: the same figures as plain arithmetic gives, and none refused below 20,000.</summary>
public class LargeTrialTests
{
    private static TrialQuestion Trial(Design design, int blocks, int whole, int within, ulong seed = 5)
    {
        var chance = new Core.Workings.SeededRandom(seed);
        var rows = new List<TrialRow>();
        for (var b = 0; b < blocks; b++)
        {
            var ofBlock = chance.NextNormal();
            for (var w = 0; w < whole; w++)
            {
                var ofPlot = design == Design.SplitPlot ? chance.NextNormal() : 0;
                for (var p = 0; p < within; p++)
                {
                    rows.Add(new TrialRow {
                        Plot = $"{rows.Count + 1}",
                        Block = design == Design.Random ? null : $"b{b}",
                        WholePlot = design == Design.SplitPlot ? $"w{w}" : null,
                        Levels = design is Design.Factorial or Design.SplitPlot ? [$"a{w}", $"t{p}"] : [$"t{p}"],
                        Value = 20 + ofBlock + ofPlot + (p == 1 ? 0.5 : 0) + chance.NextNormal(),
                    });
                }
            }
        }

        return new TrialQuestion {
            Response = "yield", Unit = "kg", Design = design, Kind = Scale.Amount,
            Factors = design is Design.Factorial or Design.SplitPlot ? ["a", "t"] : ["t"], Rows = rows,
            Control = design is Design.Factorial or Design.SplitPlot ? "a0, t0" : "t0"
        };
    }

    [Fact]
    public void A_thousand_blocks_of_five_come_to_what_block_means_give()
    {
        var q = Trial(Design.Blocks, 1000, 1, 5);
        var answer = TrialAnalysis.Of(q).Value;
        // By hand: with every block whole, a treatment's effect is its mean less the control's, and the noise what blocks and treatments
        // leave.
        double Mean(Func<TrialRow, bool> of) => q.Rows.Where(of).Average(r => r.Value!.Value);
        var all = Mean(_ => true);
        var block = q.Rows.GroupBy(r => r.Block!).ToDictionary(g => g.Key, g => g.Average(r => r.Value!.Value));
        var treatment = q.Rows.GroupBy(r => r.Levels[0]).ToDictionary(g => g.Key, g => g.Average(r => r.Value!.Value));
        var rss = q.Rows.Sum(r => Math.Pow(r.Value!.Value - block[r.Block!] - treatment[r.Levels[0]] + all, 2));
        var line = answer.Anova.Single(a => a.Term == "Residuals");
        line.Df.ShouldBe(999 * 4);
        line.Ss.ShouldBe(rss, 1e-6);
        var one = answer.Dunnett.Single(d => d.Of == "t1");
        one.Difference.ShouldBe(treatment["t1"] - treatment["t0"], 1e-9);
        // 2.44: Dunnett 1964, four against one, any df
        (one.Upper!.Value - one.Lower!.Value).ShouldBe(2 * 2.44 * Math.Sqrt(2 * rss / 3996 / 1000), 0.01);
        answer.Anova.Single(a => a.Term == "block").Ss.ShouldBe(5 * block.Values.Sum(m => (m - all) * (m - all)), 1e-6);
    }

    [Fact]
    public void Two_hundred_and_fifty_split_blocks_come_to_what_their_means_give()
    {
        var q = Trial(Design.SplitPlot, 250, 4, 5);
        var answer = TrialAnalysis.Of(q).Value;
        var plots = q.Rows.GroupBy(r => (r.Block, A: r.Levels[0])).ToDictionary(g => g.Key, g => g.Average(r => r.Value!.Value));
        var blocks = q.Rows.GroupBy(r => r.Block!).ToDictionary(g => g.Key, g => g.Average(r => r.Value!.Value));
        var wholes = q.Rows.GroupBy(r => r.Levels[0]).ToDictionary(g => g.Key, g => g.Average(r => r.Value!.Value));
        var all = q.Rows.Average(r => r.Value!.Value);
        var left = 5 * plots.Sum(p => Math.Pow(p.Value - blocks[p.Key.Block!] - wholes[p.Key.A] + all, 2));
        var outer = answer.Anova.Single(a => a.Term == "Residuals (whole plots)");
        outer.Df.ShouldBe(249 * 3);
        outer.Ss.ShouldBe(left, 1e-6);
        answer.Anova.Single(a => a.Term == "Residuals").Df.ShouldBe((1000 * 4) - 4 - 12);
        var cell = q.Rows.GroupBy(r => $"{r.Levels[0]}, {r.Levels[1]}").ToDictionary(g => g.Key, g => g.Average(r => r.Value!.Value));
        answer.Dunnett.Single(d => d.Of == "a0, t1").Difference.ShouldBe(cell["a0, t1"] - cell["a0, t0"], 1e-9);
        answer.Dunnett.Single(d => d.Of == "a3, t1").Difference.ShouldBe(cell["a3, t1"] - cell["a0, t0"], 1e-9);
    }

    [Theory]
    [InlineData(Design.Random, 4000, 1, 5)]
    [InlineData(Design.Blocks, 4000, 1, 5)]
    [InlineData(Design.Factorial, 1000, 4, 5)]
    [InlineData(Design.SplitPlot, 1000, 4, 5)]
    [InlineData(Design.Paired, 10_000, 1, 2)]
    public void Twenty_thousand_plots_are_answered_and_one_more_is_refused(Design design, int blocks, int whole, int within)
    {
        var q = Trial(design, blocks, whole, within);
        q.Rows.Count.ShouldBe(20_000);
        var answer = TrialAnalysis.Of(q).Value;
        answer.Dunnett.First(d => d.Of.EndsWith("t1", StringComparison.Ordinal)).Lower!.Value.ShouldBeInRange(0.3, 0.7);
        TrialAnalysis.Of(q with { Rows = [.. q.Rows, q.Rows[0]] }).Refused!.Problems[0].Wrong.ShouldContain("20,000");
    }
}
