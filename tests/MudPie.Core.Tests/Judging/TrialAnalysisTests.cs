using System.Text.Json;
using MudPie.Core.Judging.Statistics;
using MudPie.Core.Judging.Trials;

namespace MudPie.Core.Tests.Judging;

/// <summary>Whole trials against figures made elsewhere, design by design.</summary>
public class TrialAnalysisTests
{
    private static void Same(IReadOnlyList<AnovaLine> mine, JsonElement theirs, string f = "f", double figures = 1e-6)
    {
        foreach (var line in theirs.EnumerateArray())
        {
            var own = mine.Single(a => a.Term == line.S("term"));
            own.Df.ShouldBe((int)line.D("df"), own.Term);
            own.Ss.ShouldAgree(line.D("ss"), own.Term, figures);
            if (line.GetProperty(f).ValueKind == JsonValueKind.Number)
            {
                own.F.ShouldAgree(line.D(f), own.Term, figures);
                own.P.ShouldAgree(line.D("p"), own.Term, figures);
            }
        }
    }

    [Fact]
    public void Blocks_agree_with_the_reference_to_six_figures()
    {
        var given = Outside.Given.GetProperty("blocks");
        var mine = TrialAnalysis.Of(new TrialQuestion {
            Design = Design.Blocks,
            Factors = ["treatment"],
            Response = "yield",
            Control = "water only",
            Rows = [.. Outside.Csv("trial-blocks.csv")
                .Select(r => new TrialRow { Plot = $"{r["block"]}{r["treatment"]}", Levels = [r["treatment"]], Block = r["block"],
                    Value = Outside.Number(r["yield"]) })],
        }).Value;
        Same(mine.Anova, given.GetProperty("anova"), "F");
        foreach (var c in given.GetProperty("tukey").EnumerateArray())
        {
            var own = mine.Tukey.Single(t => t.Pair == c.S("pair"));
            own.Difference.ShouldAgree(c.D("diff"), own.Pair);
            own.Lower.ShouldAgree(c.D("lower"), own.Pair);
            own.Upper.ShouldAgree(c.D("upper"), own.Pair);
            own.P.ShouldAgree(c.D("p"), own.Pair);
        }

        foreach (var c in given.GetProperty("dunnett").EnumerateArray())
        {
            var own = mine.Dunnett.Single(t => t.Pair == c.S("pair"));
            own.T.ShouldAgree(c.D("t"), own.Pair);
            own.P.ShouldNotBeNull().ShouldBe(c.D("p"), 1e-4);
            own.Lower.ShouldNotBeNull().ShouldBe(c.D("lower"), 2e-4);
            own.Upper.ShouldNotBeNull().ShouldBe(c.D("upper"), 2e-4);
        }

        mine.Test.Name.ShouldBe("analysis of variance in blocks");
        mine.NoiseSd.ShouldAgree(Math.Sqrt(0.039644166667), "noise");
    }

    [Fact]
    public void A_factorial_agrees_with_the_reference_to_six_figures()
    {
        var mine = TrialAnalysis.Of(new TrialQuestion {
            Design = Design.Factorial,
            Factors = ["castings", "inoculant"],
            Response = "height",
            Rows = [.. Outside.Csv("trial-factorial.csv")
                .Select(r => new TrialRow { Levels = [r["castings"], r["inoculant"]], Value = Outside.Number(r["height"]) })],
        }).Value;
        Same(mine.Anova, Outside.Given.GetProperty("factorial").GetProperty("anova"), "F");
        mine.Tukey.Where(t => t.Term == "castings").Count().ShouldBe(3);
        mine.Dunnett.Count.ShouldBe(5);
    }

    [Theory]
    [InlineData(Design.Paired)]
    [InlineData(Design.Blocks)]
    public void Pairs_agree_with_the_reference_to_six_figures(Design design)
    {
        var given = Outside.Given.GetProperty("pairedBrix");
        var mine = TrialAnalysis.Of(new TrialQuestion {
            Design = design,
            Factors = ["when"],
            Control = "before",
            Rows = [.. Outside.Csv("brix-pairs.csv")
                .SelectMany(r => new[] { "before", "after" }.Select(w => new TrialRow { Levels = [w], Block = r["leaf"],
                    Value = Outside.Number(r[w]) }))],
        }).Value.Dunnett.ShouldHaveSingleItem();
        mine.Difference.ShouldAgree(given.D("meanDifference"), "difference");
        mine.Lower.ShouldAgree(given.D("lower"), "lower");
        mine.Upper.ShouldAgree(given.D("upper"), "upper");
        mine.T.ShouldAgree(given.D("t"), "t");
        mine.Df.ShouldBe(11);
        mine.P.ShouldAgree(given.D("p"), "p");
    }

    [Fact]
    public void Blocks_with_plots_missing_are_judged_by_adjusted_means()
    {
        var c = Outside.Made.GetProperty("missingBlocks");
        var mine = TrialAnalysis.Of(Outside.Trial(c.GetProperty("rows"), Design.Blocks, ["treatment"], "block", control: "nothing")).Value;
        Same(mine.Anova, c.GetProperty("anova"), figures: 2e-6);
        foreach (var (own, theirs) in mine.Dunnett.Zip(c.GetProperty("dunnett").EnumerateArray()))
        {
            own.Difference.ShouldAgree(theirs.D("difference"), own.Pair);
            own.T.ShouldAgree(theirs.D("t"), own.Pair);
            own.P.ShouldNotBeNull().ShouldBe(theirs.D("p"), 2e-4, own.Pair);
        }

        foreach (var (own, theirs) in mine.Residuals.Zip(c.GetProperty("studentized").EnumerateArray()))
        {
            own.Studentized.ShouldAgree(theirs.GetDouble(), own.Plot);
        }
    }

    [Fact]
    public void Uneven_groups_agree_by_Tukey_Kramer_and_Dunnett()
    {
        var c = Outside.Made.GetProperty("oneWay");
        var mine = TrialAnalysis.Of(Outside.Trial(c.GetProperty("rows"), Design.Random, ["treatment"], control: "nothing")).Value;
        Same(mine.Anova, c.GetProperty("anova"));
        foreach (var theirs in c.GetProperty("tukey").EnumerateArray())
        {
            var own = mine.Tukey.Single(t => t.Pair == theirs.S("pair"));
            own.Lower.ShouldAgree(theirs.D("lower"), own.Pair);
            own.P.ShouldAgree(theirs.D("p"), own.Pair, 2e-6);
        }

        foreach (var (own, theirs) in mine.Dunnett.Zip(c.GetProperty("dunnett").EnumerateArray()))
        {
            own.Difference.ShouldAgree(theirs.D("diff"), own.Pair);
            own.P.ShouldNotBeNull().ShouldBe(theirs.D("p"), 1e-4, own.Pair);
            own.Lower.ShouldNotBeNull().ShouldBe(theirs.D("lower"), 2e-3, own.Pair);
            own.Upper.ShouldNotBeNull().ShouldBe(theirs.D("upper"), 2e-3, own.Pair);
        }
    }

    [Fact]
    public void An_uneven_factorial_is_judged_by_marginal_tests()
    {
        var c = Outside.Made.GetProperty("unevenFactorial");
        var mine = TrialAnalysis.Of(Outside.Trial(c.GetProperty("rows"), Design.Factorial, ["seaweed", "fungus"])).Value;
        Same(mine.Anova, c.GetProperty("anova"));
        mine.Anova[^1].Ss.ShouldAgree(c.D("rss"), "residual");
    }

    [Fact]
    public void A_split_plot_takes_the_right_noise_for_each_factor()
    {
        var c = Outside.Made.GetProperty("splitPlot");
        var mine = TrialAnalysis.Of(Outside.Trial(c.GetProperty("rows"), Design.SplitPlot, ["whole", "sub"], "block")).Value;
        Same(mine.Anova, c.GetProperty("whole"));
        Same(mine.Anova, c.GetProperty("within"));
        mine.Anova.Single(a => a.Term == "Residuals (whole plots)").Ms.ShouldAgree(c.D("wholeError"), "error of whole plots");
        mine.Anova[^1].Ms.ShouldAgree(c.D("error"), "error within");
        TrialAnalysis.Of(Outside.Trial(c.GetProperty("rows"), Design.SplitPlot, ["sub", "whole"], "block")).Value.Test.Name
            .ShouldStartWith("split-plot");
    }

    [Fact]
    public void Two_treatments_at_random_are_Welchs()
    {
        var c = Outside.Made.GetProperty("welch");
        IEnumerable<TrialRow> Side(string name) => c.GetProperty(name).EnumerateArray()
            .Select(v => new TrialRow { Levels = [name], Value = v.GetDouble() });
        var answer = TrialAnalysis.Of(new TrialQuestion {
            Design = Design.Random, Factors = ["t"], Control = "control",
            Rows = [.. Side("control"), .. Side("treated")]
        }).Value;
        var mine = answer.Dunnett.ShouldHaveSingleItem();
        mine.T.ShouldAgree(c.D("t"), "t");
        mine.Df.ShouldAgree(c.D("df"), "df");
        mine.P.ShouldAgree(c.D("p"), "p");
        mine.Lower.ShouldAgree(c.D("lower"), "lower");
        mine.Upper.ShouldAgree(c.D("upper"), "upper");
        answer.Test.Name.ShouldBe("Welch’s t");
    }

    [Fact]
    public void Trays_that_differ_more_than_coins_are_judged_by_their_own_spread()
    {
        var c = Outside.Made.GetProperty("trays");
        var mine = TrialAnalysis.Of(Outside.Trial(c.GetProperty("rows"), Design.Random, ["treatment"], outOf: "of", value: "up",
            control: "plain")).Value;
        mine.Dispersion.ShouldAgree(c.D("dispersion"), "dispersion");
        mine.Anova[0].Ss.ShouldAgree(c.D("deviance"), "deviance");
        mine.Anova[0].F.ShouldAgree(c.D("f"), "F");
        mine.Anova[0].P.ShouldAgree(c.D("p"), "p");
        foreach (var (own, (share, se)) in mine.Means.Zip(c.GetProperty("shares").EnumerateArray()
            .Zip(c.GetProperty("se").EnumerateArray())))
        {
            own.Mean.ShouldAgree(share.GetDouble(), own.Name);
            ((own.Upper - own.Lower) / 2).ShouldAgree(se.GetDouble() * Distribution.CriticalT(0.05, 9), own.Name);
        }
    }

    [Fact]
    public void A_tray_each_is_Fishers_and_no_verdict()
    {
        var mine = TrialAnalysis.Of(new TrialQuestion {
            Kind = Scale.Count,
            Factors = ["soak"],
            Control = "plain",
            WorthHaving = 5,
            Rows = [new() { Levels = ["plain"], Value = 36, OutOf = 48 }, new() { Levels = ["tea"], Value = 44, OutOf = 48 }],
        }).Value;
        mine.Dunnett[0].P.ShouldAgree(0.052825139685, "p");
        mine.Verdict.ShouldBe(Finding.CannotTell);
        mine.Dunnett[0].Difference.ShouldBe(100 * 8 / 48.0, 1e-9);
    }

    [Fact]
    public void Where_none_came_up_odds_can_still_be_reckoned()
    {
        TrialRow Tray(string t, double up) => new() { Levels = [t], Value = up, OutOf = 30 };
        var mine = TrialAnalysis.Of(new TrialQuestion {
            Kind = Scale.Count, Factors = ["t"], Control = "plain", WorthHaving = 10,
            NoWorseBy = 5, Rows = [Tray("plain", 20), Tray("plain", 23), Tray("plain", 22), Tray("fresh", 0), Tray("fresh", 0),
                Tray("fresh", 0)]
        }).Value;
        mine.Verdict.ShouldBe(Finding.Harm);
        mine.Verdicts[0].NoHarm.ShouldBe(false);
        mine.Checks.ShouldContain(c => c.StartsWith("In some treatment all or none", StringComparison.Ordinal));
        mine.Dunnett[0].Difference.ShouldBeInRange(-75, -60);
    }
}
