using MudPie.Core.Judging;
using MudPie.Core.Judging.Statistics;
using MudPie.Core.Judging.Trials;

namespace MudPie.Core.Tests.Judging;

/// <summary>Layouts and numbers that once misled: each is named for what came back of it.</summary>
public class TrialTruthTests
{
    private static TrialRow Row(string plot, double? value, string? block, params string[] levels) =>
        new() { Plot = plot, Levels = levels, Block = block, Value = value };

    private static double Noise(int i) => (((i * 37) % 19) - 9) / 20.0;

    [Fact]
    public void Crossed_with_crops_one_crop_is_never_judged_against_another()
    {
        var rows = new List<TrialRow>();
        foreach (var crop in new[] { "beet", "dahlia" })
        {
            foreach (var char_ in new[] { "no char", "char" })
            {
                for (var b = 0; b < 4; b++)
                {
                    rows.Add(Row($"{crop}{char_}{b}", (crop == "dahlia" ? 40 : 24) + (char_ == "char" ? 3 : 0) + Noise(rows.Count), $"{b}",
                        char_, crop));
                }
            }
        }

        var a = TrialAnalysis.Of(new() {
            Design = Design.Factorial, Factors = ["amendment", "crop"], Rows = rows, Control = "no char",
            WorthHaving = 1, Response = "height", Unit = "cm"
        }).Value;
        a.Verdicts.ShouldAllBe(v => v.Of == "char" && v.Against == "no char");
        a.Verdict.ShouldBe(Finding.Works);
        a.Verdicts[0].Difference.ShouldBe(3, 0.6);
    }

    [Fact]
    public void Two_to_the_third_in_blocks_of_four_names_what_is_mixed_with_blocks_and_judges_the_rest()
    {
        var rows = new List<TrialRow>();
        for (var rep = 0; rep < 3; rep++)
        {
            for (var cell = 0; cell < 8; cell++)
            {
                var (x, y, z) = (cell & 1, (cell >> 1) & 1, (cell >> 2) & 1);
                rows.Add(Row($"{rep}{cell}", 20 + (2 * x) + y + Noise(rows.Count), $"{rep}{x ^ y ^ z}", x == 0 ? "none" : "tea",
                    y == 0 ? "none" : "char", z == 0 ? "none" : "kelp"));
            }
        }

        var a = TrialAnalysis.Of(new() {
            Design = Design.Factorial, Factors = ["tea", "char", "kelp"], Rows = rows, Response = "yield",
            Unit = "kg"
        });
        a.Refused.ShouldBeNull();
        a.Value.Checks.ShouldContain(c => c.Contains("tea", StringComparison.Ordinal) && c.Contains("kelp", StringComparison.Ordinal)
            && c.Contains("block", StringComparison.Ordinal));
        a.Value.Anova.ShouldContain(l => l.Term == "tea");
        a.Value.Anova.ShouldNotContain(l => l.Term == "tea:char:kelp");
    }

    [Fact]
    public void Five_by_five_and_four_factors_are_judged()
    {
        var five = Enumerable.Range(0, 75).Select(i => Row($"{i}", 10 + (i % 5) + Noise(i), $"{i / 25}", $"a{i % 5}", $"b{i / 5 % 5}"))
            .ToList();
        TrialAnalysis.Of(new() { Design = Design.Factorial, Factors = ["a", "b"], Rows = five, Control = "a0" }).Refused.ShouldBeNull();
        var four = Enumerable.Range(0, 48).Select(i => Row($"{i}", 10 + (i & 1) + Noise(i), $"{i / 16}", $"a{i & 1}", $"b{(i >> 1) & 1}",
            $"c{(i >> 2) & 1}", $"d{(i >> 3) & 1}")).ToList();
        TrialAnalysis.Of(new() { Design = Design.Factorial, Factors = ["a", "b", "c", "d"], Rows = four, Control = "a0" }).Refused
            .ShouldBeNull();
    }

    [Fact]
    public void No_spread_at_all_is_no_proof()
    {
        var rows = new[] { "water", "tea" }.SelectMany(t => Enumerable.Range(0, 4)
            .Select(i => Row($"{t}{i}", t == "tea" ? 11 : 10, null, t))).ToList();
        TrialAnalysis.Of(new() {
            Design = Design.Random, Factors = ["treatment"], Rows = rows, Control = "water",
            WorthHaving = 0.5
        }).Value.Verdict.ShouldBe(Finding.CannotTell);
    }

    [Fact]
    public void Sites_that_agree_exactly_are_no_surer_than_each_of_them_lets_them_be()
    {
        var a = CombineTrials.Of(
            new() {
                Results = [.. Enumerable.Range(0, 3).Select(i => new SiteResult { Label = $"site {i}", Yi = 0.3, Vi = 0.04 })],
                Method = "reml", WorthHaving = 0.2
            });
        a.Refused.ShouldBeNull();
        // Fixed-effect half width: 1.96 √(0.04 ÷ 3) = 0.226, and t on two degrees widens it.
        (a.Value.Upper - a.Value.Estimate).ShouldBeGreaterThanOrEqualTo(1.96 * Math.Sqrt(0.04 / 3) - 1e-6);
    }

    [Fact]
    public void Not_available_is_no_treatment_and_water_is_water_however_it_is_written()
    {
        var rows = Enumerable.Range(0, 8)
            .SelectMany(i => new[] { Row($"w{i}", 10 + Noise(i), null, i % 2 == 0 ? "Water" : "water"),
                Row($"t{i}", 12 + Noise(i + 5), null, "tea") }).ToList();
        TrialAnalysis.Of(new() {
            Design = Design.Random, Factors = ["treatment"], Rows = [.. rows, Row("x", 99, null, "NA")],
            Control = "water"
        }).Refused!.Problems.ShouldHaveSingleItem().Wrong.ShouldContain("Plot x");
        var a = TrialAnalysis.Of(new() {
            Design = Design.Random, Factors = ["treatment"], Rows = rows, Control = "water",
            WorthHaving = 1
        }).Value;
        a.Means.Count.ShouldBe(2);
        a.Means.Single(m => m.Name.Equals("water", StringComparison.OrdinalIgnoreCase)).Plots.ShouldBe(8);
        a.Verdicts.Count.ShouldBe(1);
    }

    [Theory]
    [InlineData(1, 1.0)]
    [InlineData(3, 0.0)]
    public void A_split_plot_of_one_block_or_without_noise_answers_or_refuses_but_never_falls(int blocks, double noise)
    {
        var rows = new List<TrialRow>();
        for (var b = 0; b < blocks; b++)
        {
            foreach (var whole in new[] { "wet", "dry" })
            {
                foreach (var sub in new[] { "water", "tea", "kelp" })
                {
                    rows.Add(new TrialRow {
                        Plot = $"{b}{whole}{sub}", Levels = [whole, sub], Block = $"{b}", WholePlot = $"{b}{whole}",
                        Value = 10 + (sub == "tea" ? 1 : 0) + (noise * Noise(rows.Count))
                    });
                }
            }
        }

        var a = TrialAnalysis.Of(new() {
            Design = Design.SplitPlot, Factors = ["water", "brew"], Rows = rows, Control = "water",
            WorthHaving = 0.5
        });
        if (a.Refused is { } no)
        {
            no.Problems.ShouldNotBeEmpty();
        }
        else
        {
            a.Value.Verdicts.ShouldAllBe(v => v.Word == Finding.CannotTell);
            a.Value.Means.ShouldAllBe(m => double.IsFinite(m.Mean) && m.Lower != double.NegativeInfinity);
        }
    }

    [Fact]
    public void What_is_compared_over_other_factors_takes_its_own_spread_and_does_not_step_back_for_want_of_a_cell()
    {
        // Tea makes plots stray four times as far; four things crossed, so no treatment of the layout is called "tea" alone.
        var rows = Enumerable.Range(0, 64)
            .Select(i => new TrialRow {
                Plot = $"p{i}",
                Levels = [.. new[] { "tea", "char", "kelp", "mulch" }.Select((n, f) => (i >> f) % 2 == 1 ? n : "none")],
                Block = $"{i / 16}", Value = 10 + (i % 2 == 1 ? 6 + (4 * Noise(i * 3)) : Noise(i * 3))
            }).ToList();
        var a = TrialAnalysis.Of(new() {
            Design = Design.Factorial, Factors = ["tea", "char", "kelp", "mulch"], Rows = rows,
            WorthHaving = 1
        }).Value;
        a.Checks.ShouldContain(c => c.StartsWith("Some treatments stray far more"));
        var tea = a.Verdicts.Single(v => v.Of == "tea");
        tea.Word.ShouldBe(Finding.Works);
        (tea.Upper!.Value - tea.Lower!.Value).ShouldBeGreaterThanOrEqualTo(a.Dunnett.Single(c => c.Of == "tea").Upper!.Value
            - a.Dunnett.Single(c => c.Of == "tea").Lower!.Value - 1e-12);
    }

    [Fact]
    public void Fourteen_treatments_with_plots_missing_are_told_and_a_client_that_has_gone_stops_the_sum()
    {
        var rows = Enumerable.Range(0, 14 * 4).Where(i => i is not (3 or 17 or 30))
            .Select(i => Row($"{i}", 10 + (i % 14 == 5 ? 2 : 0) + Noise(i), $"{i / 14}", i % 14 == 0 ? "water" : $"t{i % 14}")).ToList();
        var q = new TrialQuestion { Design = Design.Blocks, Factors = ["treatment"], Rows = rows, Control = "water", WorthHaving = 1 };
        TrialAnalysis.Of(q).Value.Dunnett.Count.ShouldBe(13);
        using var gone = new CancellationTokenSource();
        gone.Cancel();
        Should.Throw<OperationCanceledException>(() => TrialAnalysis.Of(q with { Stop = gone.Token }));
    }

    [Fact]
    public void All_up_against_none_up_has_no_odds_ratio_of_one()
    {
        var a = Germination.Of(new() { Table = [[20, 0], [0, 20]] }).Value;
        a.OddsRatio.ShouldNotBe(1);
        a.P.ShouldBeLessThan(1e-6);
    }

    [Fact]
    public void Seen_and_called_works_are_two_numbers_and_the_grower_chooses()
    {
        var seen = ReplicatesPlan.Of(Design.Random, 2, 5, 0.2, 0.2, "kg").Value;
        // At exactly the worth-having difference its interval hardly ever lies whole above it.
        seen.Points.ShouldAllBe(p => p.WorksAtWorth < 0.06);
        var works = ReplicatesPlan.Of(Design.Random, 2, 5, 0.2, 0.2, "kg", chosenFor: "works").Value;
        seen.Needed.ShouldBe(seen.NeededSeen);
        works.Needed.ShouldBe(works.NeededWorks);
        works.NeededWorks!.Value.ShouldBeGreaterThanOrEqualTo(seen.NeededSeen!.Value);
        works.Points.Single(p => p.Replicates == works.NeededWorks).WorksAtTwice.ShouldBeGreaterThanOrEqualTo(0.8);
    }

    [Fact]
    public void Brix_of_nought_is_never_below_nought() => BrixCorrection.To20(0, 15).Value.Value.ShouldBe(0);
}
