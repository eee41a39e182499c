using MudPie.Core.Judging.Trials;

namespace MudPie.Core.Tests.Judging;

/// <summary>What a trial says, and what it refuses: verdicts, words, nonsense.</summary>
public class TrialWordsTests
{
    [Theory]
    [InlineData(0.2, 0.5, 0.15, Finding.Works)]
    [InlineData(0.15, 0.5, 0.15, Finding.Works)]
    [InlineData(0.05, 0.5, 0.15, Finding.Some)]
    [InlineData(0.05, 0.1, 0.15, Finding.Some)]
    [InlineData(-0.1, 0.1, 0.15, Finding.NoUse)]
    [InlineData(-0.3, -0.1, 0.15, Finding.Harm)]
    [InlineData(-0.1, -0.01, 0.15, Finding.Harm)]
    [InlineData(-0.02, 0.36, 0.15, Finding.CannotTell)]
    [InlineData(-0.2, 0.1, 0.15, Finding.CannotTell)]
    public void A_verdict_is_where_the_whole_interval_lies(double lower, double upper, double worth, Finding word) =>
        TrialVerdicts.Of(lower, upper, worth).ShouldBe(word);

    [Theory]
    [InlineData(0.2, 0.5, Finding.Some)]
    [InlineData(-0.01, 0.01, Finding.CannotTell)]
    [InlineData(-0.5, -0.2, Finding.Harm)]
    public void Without_a_line_nothing_works_and_nothing_is_useless(double lower, double upper, Finding word) =>
        TrialVerdicts.Of(lower, upper, null).ShouldBe(word);

    private static TrialRow Row(string treatment, string block, double? value, string? why = null) =>
        new() { Plot = $"{block}{treatment}", Levels = [treatment], Block = block, Value = value, Why = why };

    private static TrialQuestion Garlic(double lift, double? worth = 0.15) => new() {
        Design = Design.Blocks,
        Factors = ["treatment"],
        Control = "water only",
        Bystanders = ["nothing"],
        WorthHaving = worth,
        Response = "yield",
        Unit = "kg a metre",
        Rows = [.. Enumerable.Range(0, 5)
            .SelectMany(b => new[] { Row("nothing", $"{b}", 2.7 + (0.1 * b) + (0.02 * (b % 2))),
                Row("water only", $"{b}", 2.9 + (0.1 * b) - (0.02 * (b % 3))),
                Row("tea", $"{b}", 2.9 + lift + (0.1 * b) + (0.015 * ((b + 1) % 2))) })],
    };

    [Theory]
    [InlineData(0.30, Finding.Works)]
    [InlineData(0.13, Finding.Some)]
    [InlineData(-0.01, Finding.NoUse)]
    [InlineData(-0.20, Finding.Harm)]
    public void Tea_is_judged_against_water_and_nothing_makes_no_headline(double lift, Finding word)
    {
        var a = TrialAnalysis.Of(Garlic(lift)).Value;
        a.Verdict.ShouldBe(word);
        a.Sentence.ShouldStartWith("Tea gave");
        a.Verdicts.Count.ShouldBe(2);
    }

    [Fact]
    public void More_looks_widen_the_interval_that_a_verdict_takes()
    {
        var (one, six) = (TrialAnalysis.Of(Garlic(0.2)).Value, TrialAnalysis.Of(Garlic(0.2) with { Looked = 6 }).Value);
        (six.Verdicts[0].Upper! - six.Verdicts[0].Lower!).Value.ShouldBeGreaterThan((one.Verdicts[0].Upper!
            - one.Verdicts[0].Lower!).Value * 1.3);
        six.Dunnett[0].Upper.ShouldBe(one.Dunnett[0].Upper);
        six.Checks.ShouldContain(c => c.StartsWith("6 measures and dates", StringComparison.Ordinal));
    }

    [Fact]
    public void Where_less_is_better_the_sign_turns()
    {
        var a = TrialAnalysis.Of(Garlic(-0.35) with { LowerIsBetter = true, NoWorseBy = 0.1 }).Value;
        a.Verdict.ShouldBe(Finding.Works);
        a.Verdicts.Single(v => v.Of == "tea").NoHarm.ShouldBe(true);
        TrialAnalysis.Of(Garlic(0.35) with { LowerIsBetter = true }).Value.Verdict.ShouldBe(Finding.Harm);
    }

    [Fact]
    public void What_cannot_be_told_says_how_many_more()
    {
        var noisy = Garlic(0.1) with { Rows = [.. Garlic(0.1).Rows.Select((r, i) => r with { Value = r.Value + (i % 4 * 0.12) })] };
        var a = TrialAnalysis.Of(noisy).Value;
        a.Verdict.ShouldBe(Finding.CannotTell);
        var more = a.Verdicts.Single(v => v.Of == "tea").MorePerTreatment.ShouldNotBeNull();
        // Two treatments against water: α is shared, and 5 plots of each stand already.
        more.ShouldBe((int)Math.Ceiling(Replicates.PerGroup(0.15, a.NoiseSd!.Value, 0.025, 0.8, false)) - 5);
        a.Checks.ShouldNotBeEmpty();
    }

    [Fact]
    public void A_single_pair_is_a_look_and_no_test()
    {
        var a = TrialAnalysis.Of(new TrialQuestion {
            Factors = ["t"], Control = "nothing", WorthHaving = 0.4,
            Rows = [new() { Levels = ["nothing"], Value = 4.3 }, new() { Levels = ["extract"], Value = 4.8 }]
        }).Value;
        a.Verdict.ShouldBe(Finding.CannotTell);
        a.Test.Name.ShouldBe("no test: a look");
        a.Dunnett[0].Lower.ShouldBeNull();
        a.Dunnett[0].Difference.ShouldBe(0.5, 1e-12);
        a.Sentence.ShouldContain("a look, not a test");
        a.NoiseSd.ShouldBeNull();
        a.Anova.ShouldAllBe(l => l.Ms == null || double.IsFinite(l.Ms.Value));
    }

    [Fact]
    public void A_far_plot_is_named_and_kept()
    {
        var rows = Garlic(0.05).Rows.ToList();
        rows[7] = rows[7] with { Value = 9 };
        var a = TrialAnalysis.Of(Garlic(0.05) with { Rows = rows }).Value;
        a.Residuals.Single(r => r.Outlier).Plot.ShouldBe(rows[7].Plot);
        a.Checks.ShouldContain(c => c.Contains("lies far from the rest") && c.Contains("It is kept"));
        a.Residuals.Count.ShouldBe(15);
    }

    [Fact]
    public void Missing_plots_are_named_with_their_reason_and_said()
    {
        var rows = Garlic(0.3).Rows.ToList();
        rows[4] = rows[4] with { Value = null, Why = "slugs took it" };
        var a = TrialAnalysis.Of(Garlic(0.3) with { Rows = rows }).Value;
        a.Missing.ShouldBe([$"{rows[4].Plot}: slugs took it"]);
        a.Checks.ShouldContain(c => c.StartsWith("1 plot is missing", StringComparison.Ordinal));
        a.Means.Single(m => m.Name == "tea").Plots.ShouldBe(5);
        a.Means.Single(m => m.Name == "water only").Plots.ShouldBe(4);
    }

    [Fact]
    public void A_score_is_tested_by_its_order_and_its_verdict_waits_for_it()
    {
        double[] plain = [1, 2, 1, 2, 1], tea = [2, 2, 1, 3, 1];
        var q = new TrialQuestion {
            Kind = Scale.Score, Factors = ["t"], Control = "plain", WorthHaving = 0.1,
            Rows = [.. plain.Select(v => new TrialRow { Levels = ["plain"], Value = v }),
                .. tea.Select(v => new TrialRow { Levels = ["tea"], Value = v })]
        };
        var a = TrialAnalysis.Of(q).Value;
        a.Verdict.ShouldBe(Finding.CannotTell);
        a.Ranks!.Name.ShouldBe("Kruskal–Wallis");
        var clear = TrialAnalysis.Of(q with {
            Design = Design.Blocks,
            Rows = [.. Enumerable.Range(0, 8)
                .SelectMany(b => new[] { Row("plain", $"{b}", 1 + (b % 2)), Row("tea", $"{b}", 4 + (b % 2)) })]
        }).Value;
        clear.Test.Name.ShouldBe("Friedman, on ranks");
        clear.Verdict.ShouldBe(Finding.Works);
    }

    [Fact]
    public void Both_together_are_told_apart_from_one_or_not()
    {
        IEnumerable<TrialRow> Pots(string s, string m, double mean) =>
            Enumerable.Range(0, 6)
                .Select(b => new TrialRow {
                    Plot = $"{s}{m}{b}", Levels = [s, m], Block = $"{b}", Value = mean + (b * 0.3)
                    + ((b * 7 % 5) * 0.35)
                });
        var a = TrialAnalysis.Of(new TrialQuestion {
            Design = Design.Factorial,
            Factors = ["seaweed", "mycorrhiza"],
            Control = "no seaweed, no mycorrhiza",
            WorthHaving = 2,
            Unit = "stems",
            Rows = [.. Pots("no seaweed", "no mycorrhiza", 11), .. Pots("seaweed", "no mycorrhiza", 15.6),
                .. Pots("no seaweed", "mycorrhiza", 11.3), .. Pots("seaweed", "mycorrhiza", 15.7)
                    .Select((r, i) => r with { Value = r.Value + (i % 2 * 0.8) - 0.4 })],
        }).Value;
        a.Verdict.ShouldBe(Finding.Works);
        a.Sentence.ShouldStartWith("“seaweed, no mycorrhiza” gave");
        a.Sentence.ShouldContain("Nothing shows that both together do more");
    }

    [Fact]
    public void A_better_soil_is_not_counted_as_the_treatment()
    {
        IEnumerable<TrialRow> Pots(string c, string s, double mean) =>
            Enumerable.Range(0, 5)
                .Select(b => new TrialRow {
                    Levels = [c, s], Block = $"{b}", Value = mean + (b * 0.2)
                    + (((b * c.Length) + (int)mean) % 5 * 0.15)
                });
        var q = new TrialQuestion {
            Design = Design.Factorial, Factors = ["char", "soil"], Control = "no char, clay", WorthHaving = 1,
            Rows = [.. Pots("no char", "clay", 10), .. Pots("char", "clay", 10.1), .. Pots("no char", "sand", 16),
                .. Pots("char", "sand", 16.1)]
        };
        TrialAnalysis.Of(q).Value.Verdict.ShouldBe(Finding.NoUse, "soil is a setting by its name");
        var averaged = TrialAnalysis.Of(q with { Conditions = ["soil"] }).Value;
        averaged.Verdict.ShouldBe(Finding.NoUse);
        averaged.Dunnett.ShouldHaveSingleItem().Pair.ShouldBe("char - no char");
        averaged.Checks.ShouldContain(c => c.Contains("averaged over soil"));
    }

    [Fact]
    public void A_warmer_bench_is_not_counted_as_the_soak_when_seeds_are_counted()
    {
        IEnumerable<TrialRow> Trays(string s, string b, params double[] up) =>
            up.Select((u, i) => new TrialRow { Levels = [s, b], Block = $"{i}", Value = u, OutOf = 50 });
        var q = new TrialQuestion {
            Kind = Scale.Count, Design = Design.Factorial, Factors = ["soak", "bench"], Control = "plain, cool",
            WorthHaving = 10, Rows = [.. Trays("plain", "cool", 20, 23, 21, 22), .. Trays("tea", "cool", 22, 21, 22, 21),
                .. Trays("plain", "warm", 43, 40, 42, 41), .. Trays("tea", "warm", 41, 43, 40, 42)]
        };
        TrialAnalysis.Of(q).Value.Verdict.ShouldBe(Finding.Works);
        var averaged = TrialAnalysis.Of(q with { Conditions = ["bench"] }).Value;
        averaged.Verdict.ShouldBe(Finding.NoUse);
        var tea = averaged.Dunnett.ShouldHaveSingleItem();
        (tea.Pair, Math.Round(tea.Difference, 3)).ShouldBe(("tea - plain", 0));
        averaged.Means.Single(m => m.Name == "tea").Plots.ShouldBe(8);
        averaged.Means.Single(m => m.Name == "tea, warm").Mean.ShouldBe(83, 0.01);
    }

    [Theory]
    [InlineData("design")]
    [InlineData("factors")]
    [InlineData("worthHaving")]
    [InlineData("looked")]
    [InlineData("control")]
    [InlineData("block")]
    [InlineData("rows")]
    public void Nonsense_is_refused_by_its_field(string field)
    {
        var q = Garlic(0.1);
        q = field switch {
            "design" => q with { Design = Design.Pair },
            "factors" => q with { Factors = [] },
            "worthHaving" => q with { WorthHaving = -1 },
            "looked" => q with { Looked = 0 },
            "control" => q with { Control = "milk" },
            "block" => q with { Rows = [.. q.Rows.Select(r => r with { Block = null })] },
            _ => q with { Rows = [.. q.Rows.Select(r => r with { Value = null })] },
        };
        TrialAnalysis.Of(q).Refused!.Problems.ShouldContain(p => p.Field == field);
    }

    [Theory]
    [InlineData(double.NaN)]
    [InlineData(double.PositiveInfinity)]
    [InlineData(1e300)]
    public void A_figure_that_no_plot_can_have_is_refused(double value)
    {
        var rows = Garlic(0.1).Rows.ToList();
        rows[3] = rows[3] with { Value = value };
        TrialAnalysis.Of(Garlic(0.1) with { Rows = rows }).Refused!.Problems.ShouldHaveSingleItem().Field.ShouldBe("rows[3].yield");
    }

    [Fact]
    public void Counts_that_cannot_be_are_refused() =>
        TrialAnalysis.Of(new TrialQuestion {
            Kind = Scale.Count, Factors = ["t"],
            Rows = [new() { Levels = ["a"], Value = 5, OutOf = 4 }, new() { Levels = ["b"], Value = 1, OutOf = null }]
        })
            .Refused!.Problems.Select(p => p.Field).ShouldBe(["rows[0].outOf", "rows[1].outOf"]);

    [Fact]
    public void A_whole_plot_with_two_treatments_is_no_whole_plot()
    {
        var q = new TrialQuestion {
            Design = Design.SplitPlot, Factors = ["water", "feed"],
            Rows = [.. new[] { ("dry", "a"), ("wet", "b"), ("dry", "b"),
                ("wet", "a") }.Select(x => new TrialRow { Levels = [x.Item1, x.Item2], Block = "1", WholePlot = "w", Value = 1 })]
        };
        TrialAnalysis.Of(q).Refused!.Problems.ShouldHaveSingleItem().Field.ShouldBe("wholePlot");
    }

    [Fact]
    public void All_plots_alike_give_no_difference_and_no_crash()
    {
        var a = TrialAnalysis.Of(new TrialQuestion {
            Factors = ["t"], WorthHaving = 1,
            Rows = [.. new[] { "a", "b", "c" }.SelectMany(t => Enumerable.Range(0, 3)
                .Select(_ => new TrialRow { Levels = [t], Value = 5 }))]
        });
        a.Refused.ShouldBeNull();
        a.Value.Dunnett.ShouldAllBe(c => c.Difference == 0 && c.T == null);
        a.Value.Checks.ShouldContain(c => c.Contains("alike to the last digit"));
    }
}
