using MudPie.Core.Judging.Trials;

namespace MudPie.Core.Tests.Judging;

/// <summary>What trials say over hundreds of made-up fields: as often right as they claim.</summary>
public class TrialDrawsTests
{
    [Fact]
    public void Uneven_spread_with_uneven_numbers_does_not_find_what_is_not_there()
    {
        var (found, random) = (0, new Random(7));
        const int Trials = 400;
        for (var t = 0; t < Trials; t++)
        {
            // No difference at all; the smallest group is the noisiest, where a pooled spread finds a third.
            var rows = new List<TrialRow>();
            foreach (var (name, n, sd) in new[] { ("water", 16, 1.0), ("tea", 4, 4.0), ("kelp", 10, 1.0) })
            {
                for (var i = 0; i < n; i++)
                {
                    var z = Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
                    rows.Add(new TrialRow { Plot = $"{name}{i}", Levels = [name], Value = 20 + (sd * z) });
                }
            }

            var a = TrialAnalysis.Of(new() { Design = Design.Random, Factors = ["treatment"], Rows = rows, Control = "water" }).Value;
            found += a.Verdicts.Any(v => v.Lower > 0 || v.Upper < 0) ? 1 : 0;
        }

        (found / (double)Trials).ShouldBeInRange(0.01, 0.09);
    }

    [Theory]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(5)]
    public void Even_spreads_are_not_called_uneven_however_few_the_plots(int blocks)
    {
        var random = new Random(blocks);
        double Normal() => MathNet.Numerics.Distributions.Normal.InvCDF(0, 1, Math.Clamp(random.NextDouble(), 1e-12, 1 - 1e-12));
        var (told, works) = (0, 0);
        for (var trial = 0; trial < 200; trial++)
        {
            var rows = Enumerable.Range(0, blocks)
                .SelectMany(b =>
                    new[] { "none",
                        "tea" }.SelectMany(t => new[] { "none", "kelp" }.Select(k => new TrialRow {
                            Plot = $"{b}{t}{k}", Levels = [t, k],
                            Block = $"{b}", Value = 10 + b + (t == "tea" ? 12 : 0) + Normal()
                        }))).ToList();
            var a = TrialAnalysis.Of(new() {
                Design = Design.Factorial, Factors = ["tea", "kelp"], Rows = rows, Control = "none, none",
                WorthHaving = 1
            }).Value;
            told += a.Checks.Any(c => c.Contains("far more than others")) ? 1 : 0;
            works += a.Verdicts.Single(v => v.Of == "tea, none").Word == Finding.Works ? 1 : 0;
        }

        told.ShouldBeLessThan(12); // one in a hundred is asked for; few plots come near it
        works.ShouldBeGreaterThan(180);
    }

    [Fact]
    public void Pairs_of_plots_that_stray_more_under_one_factor_are_seen()
    {
        var random = new Random(12);
        double Normal() => MathNet.Numerics.Distributions.Normal.InvCDF(0, 1, Math.Clamp(random.NextDouble(), 1e-12, 1 - 1e-12));
        var (uneven, even) = (0, 0);
        for (var trial = 0; trial < 100; trial++)
        {
            bool Said(double tea)
            {
                var rows = Enumerable.Range(0, 32)
                    .Select(i => new TrialRow {
                        Plot = $"p{i}",
                        Levels = [.. new[] { "tea", "char", "kelp", "mulch" }.Select((n, f) => (i >> f) % 2 == 1 ? n : "none")],
                        Block = $"{i / 16}", Value = 10 + ((i % 2 == 1 ? tea : 1) * Normal())
                    }).ToList();
                return TrialAnalysis.Of(new() {
                    Design = Design.Factorial, Factors = ["tea", "char", "kelp", "mulch"], Rows = rows,
                    WorthHaving = 1
                }).Value.Checks.Any(c => c.Contains("far more than others"));
            }

            uneven += Said(12) ? 1 : 0;
            even += Said(1) ? 1 : 0;
        }

        uneven.ShouldBeGreaterThan(35); // few plots: half of so gross a difference is seen, and seldom one that is not there
        even.ShouldBeLessThan(8);
    }

    [Fact]
    public void Intervals_against_one_cell_hold_all_truths_at_once_nineteen_times_in_twenty()
    {
        const int trials = 120;
        var held = 0;
        for (var seed = 0; seed < trials; seed++)
        {
            var a = TrialAnalysis.Of(SplitPlotTests.Asked(SplitPlotTests.Field(5, 0.8, 0.25, 1000 + seed))).Value;
            held += a.Dunnett.All(c => c.Lower <= Truth(c) && Truth(c) <= c.Upper) ? 1 : 0;
        }

        // Three standard errors of a share of 0.95 in 120: 0.06. By parts alone, or by both noises everywhere, it would be far off.
        (held / (double)trials).ShouldBeInRange(0.89, 0.995);

        static double Truth(TrialComparison c) =>
            0.5 * (Array.IndexOf(SplitPlotTests.Parts, c.Of.Split(", ")[1])
                - Array.IndexOf(SplitPlotTests.Parts, c.Against.Split(", ")[1]));
    }
}
