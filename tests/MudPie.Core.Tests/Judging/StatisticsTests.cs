using System.Text.Json;
using FsCheck.Xunit;
using MudPie.Core.Judging.Statistics;
using MudPie.Core.Judging.Trials;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.Judging;

/// <summary>Distributions and plain tests against figures made elsewhere.</summary>
public class StatisticsTests
{
    [Fact]
    public void The_studentized_range_agrees_with_the_reference()
    {
        foreach (var c in Outside.Given.GetProperty("tukeyDistribution").EnumerateArray()
            .Concat(Outside.Made.GetProperty("tukey").EnumerateArray()))
        {
            var df = c.D("df") >= 1e9 ? double.PositiveInfinity : c.D("df");
            (1 - StudentizedRange.Cdf(c.D("q"), (int)c.D("means"), df)).ShouldAgree(c.D("p"), c.ToString());
        }

        foreach (var c in Outside.Made.GetProperty("tukeyQuantiles").EnumerateArray())
        {
            StudentizedRange.Quantile(0.05, (int)c.D("means"), c.D("df")).ShouldAgree(c.D("q"), c.ToString());
        }
    }

    [Fact]
    public void With_two_means_the_studentized_range_is_a_t()
    {
        foreach (var df in new[] { 1.0, 3, 12, 80 })
        {
            (1 - StudentizedRange.Cdf(2.7, 2, df)).ShouldAgree(Distribution.TwoSidedT(2.7 / Math.Sqrt(2), df), $"df {df}", 1e-9);
        }
    }

    [Theory]
    [InlineData(1, 5.0)]
    [InlineData(2, 0.5)]
    public void The_studentized_range_takes_two_means_and_a_degree_of_freedom(int means, double df) =>
        Should.Throw<ArgumentOutOfRangeException>(() => StudentizedRange.Cdf(3, means, df));

    [Fact]
    public void Non_central_t_and_F_agree_with_figures_made_elsewhere()
    {
        foreach (var c in Outside.Made.GetProperty("nonCentralT").EnumerateArray())
        {
            NonCentral.T(c.D("t"), c.D("df"), c.D("delta")).ShouldAgree(c.D("p"), c.ToString(), 1e-7);
        }

        foreach (var c in Outside.Made.GetProperty("nonCentralF").EnumerateArray())
        {
            NonCentral.F(c.D("f"), c.D("df1"), c.D("df2"), c.D("lambda")).ShouldAgree(c.D("p"), c.ToString(), 1e-7);
        }
    }

    [Fact]
    public void A_lattice_and_the_exact_integral_give_the_same_Dunnett()
    {
        // Equal correlations of one half have loadings; a hair's breadth off in one pair they have none, and the lattice takes over.
        double[,] even = { { 1, 0.5, 0.5 }, { 0.5, 1, 0.5 }, { 0.5, 0.5, 1 } };
        double[,] odd = { { 1, 0.5, 0.5 }, { 0.5, 1, 0.5 + 1e-6 }, { 0.5, 0.5 + 1e-6, 1 } };
        double[,] free = { { 1, 0.7, 0.1 }, { 0.7, 1, 0.4 }, { 0.1, 0.4, 1 } };
        foreach (var c in new[] { 1.5, 2.5, 3.5 })
        {
            new ManyToOne(odd, 12).Cdf(c).ShouldBe(new ManyToOne(even, 12).Cdf(c), 1e-4);
        }

        new ManyToOne(even, 12).P(3.9546650017).ShouldBe(0.0050917779194, 2e-6);
        new ManyToOne(free, 8).P(2.4).ShouldBeInRange(Distribution.TwoSidedT(2.4, 8), 3 * Distribution.TwoSidedT(2.4, 8));
    }

    [Fact]
    public void Differences_of_a_split_plot_are_answered_as_any_others_are()
    {
        foreach (var theta in new[] { 0.02, 0.2, 0.6, 0.95 })
        {
            // The control, two more parts of its whole plots, and two whole plots with three parts each; in the second matrix nothing of
            // that is to be recognised.
            int[] group = [0, 0, 1, 1, 1, 2, 2, 2];
            double[,] Together(double off)
            {
                var r = new double[8, 8];
                for (var i = 0; i < 8; i++)
                {
                    for (var j = 0; j < 8; j++)
                    {
                        r[i, j] = i == j ? 1 : (group[i] == 0) != (group[j] == 0) ? Math.Sqrt(theta) / 2 : group[i] == group[j]
                            && group[i] > 0 ? 1 - (theta / 2) : 0.5;
                    }
                }

                r[0, 1] = r[1, 0] = r[0, 1] - off;
                return r;
            }

            TwoLevels.Of(Together(1e-6)).ShouldBeNull();
            foreach (var c in new[] { 0.8, 1.9, 2.6, 3.4 })
            {
                TwoLevels.Of(Together(0)).ShouldNotBeNull().Cdf(c).ShouldBe(new ManyToOne(Together(1e-6), 1e7).Cdf(c), 4e-4,
                    $"{theta} {c}");
            }
        }
    }

    [Fact]
    public void Two_differences_of_a_split_plot_one_near_and_two_far_agree_with_a_count_of_a_million_draws()
    {
        const double theta = 0.3;
        var chance = new SeededRandom(11);
        var within = 0;
        for (var n = 0; n < 1_000_000; n++)
        {
            var (u, e, w) = (Math.Sqrt(1 - theta) * chance.NextNormal(), Math.Sqrt(theta) * chance.NextNormal(),
                Math.Sqrt(1 - theta) * chance.NextNormal());
            var near = (Math.Sqrt(theta) * chance.NextNormal() - e) / Math.Sqrt(2 * theta);
            var (one, two) = ((w + (Math.Sqrt(theta) * chance.NextNormal()) - u - e) / Math.Sqrt(2),
                (w + (Math.Sqrt(theta) * chance.NextNormal()) - u - e) / Math.Sqrt(2));
            within += Math.Max(Math.Abs(near), Math.Max(Math.Abs(one), Math.Abs(two))) <= 1.7 ? 1 : 0;
        }

        var (cross, most) = (Math.Sqrt(theta) / 2, 1 - (theta / 2));
        TwoLevels.Of(new[,] { { 1, cross, cross }, { cross, 1, most }, { cross, most, 1 } })!.Cdf(1.7).ShouldBe(within / 1e6, 2e-3);
    }

    [Fact]
    public void A_series_gives_a_smooth_curve_back_and_one_beyond_its_end()
    {
        var bell = new Chebyshev(u => 1 - Math.Exp(-u * u / 2), 9, 60);
        foreach (var u in new[] { 0, 0.01, 0.7, 1.9, 3.3, 6.2, 8.99 })
        {
            bell.At(u).ShouldBe(1 - Math.Exp(-u * u / 2), 1e-12);
        }

        (bell.At(9), bell.At(1e9), bell.At(double.PositiveInfinity)).ShouldBe((1, 1, 1));
        bell.At(-1).ShouldBe(0, 1e-12);
        Should.Throw<OperationCanceledException>(() => new Chebyshev(_ => throw new OperationCanceledException(), 9, 60));
    }

    [Theory]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(12)]
    [InlineData(40)]
    public void The_range_of_means_falls_short_of_no_pair_and_of_no_more_than_all_pairs_together(int means)
    {
        foreach (var (q, df) in new[] { (1.5, 4.0), (3.2, 9.5), (4.8, 30.0), (6.5, double.PositiveInfinity) })
        {
            var (p, pair) = (1 - StudentizedRange.Cdf(q, means, df), Distribution.TwoSidedT(q / Math.Sqrt(2), double.IsFinite(df)
                ? df : 1e9));
            p.ShouldBeGreaterThan(pair - 1e-8);
            p.ShouldBeLessThan((means * (means - 1) / 2.0 * pair) + 1e-8);
        }
    }

    [Fact]
    public void One_against_one_is_a_t() => new ManyToOne(new double[,] { { 1 } }, 9).P(2.262157163).ShouldBe(0.05, 1e-8);

    [Fact]
    public void Fishers_test_agrees_with_the_reference_and_with_figures_made_elsewhere()
    {
        var given = Outside.Given.GetProperty("germination");
        var mine = Germination.Of(new GerminationQuestion { Table = [[44, 4], [36, 12]] }).Value;
        mine.P.ShouldAgree(given.D("fisherP"), "p");
        mine.OddsRatio.ShouldAgree(given.D("oddsRatio"), "odds ratio");
        mine.Lower.ShouldAgree(given.D("lower"), "lower");
        mine.Upper.ShouldAgree(given.D("upper"), "upper");
        foreach (var c in Outside.Made.GetProperty("fisher").EnumerateArray())
        {
            var t = c.GetProperty("table").EnumerateArray().Select(x => x.GetDouble()).ToArray();
            var (p, odds, lower, upper) = Germination.Exact((int)t[0], (int)t[1], (int)t[2], (int)t[3]);
            p.ShouldAgree(c.D("p"), c.ToString());
            lower.ShouldAgree(c.D("lower"), c.ToString());
            if (c.GetProperty("upper").ValueKind == JsonValueKind.Number)
            {
                odds.ShouldAgree(c.D("odds"), c.ToString());
                upper.ShouldAgree(c.D("upper"), c.ToString());
            }
            else
            {
                double.IsPositiveInfinity(upper).ShouldBeTrue(c.ToString());
            }
        }
    }

    [Theory]
    [InlineData("[[1,2]]", "table")]
    [InlineData("[[1,2],[3]]", "table")]
    [InlineData("[[1.5,2],[3,4]]", "table[0][0]")]
    [InlineData("[[-1,2],[3,4]]", "table[0][0]")]
    [InlineData("[[0,0],[3,4]]", "table[0]")]
    [InlineData("[[1,1],[0,0]]", "table[1]")]
    public void A_table_that_is_none_is_refused(string json, string field) =>
        Germination.Of(new GerminationQuestion { Table = JsonSerializer.Deserialize<double[][]>(json) }).Refused!.Problems
            .ShouldContain(p => p.Field == field);

    [Fact]
    public void Rank_tests_agree_with_figures_made_elsewhere()
    {
        var one = Outside.Made.GetProperty("oneWay");
        var groups = one.GetProperty("rows").EnumerateArray().GroupBy(r => r.S("treatment"))
            .Select(g => (IReadOnlyList<double>)[.. g.Select(r => r.D("y"))]).ToList();
        var kruskal = Ranks.KruskalWallis(groups).ShouldNotBeNull();
        kruskal.Statistic.ShouldAgree(one.GetProperty("kruskal").D("statistic"), "Kruskal–Wallis");
        kruskal.P.ShouldAgree(one.GetProperty("kruskal").D("p"), "p");
        var f = Outside.Made.GetProperty("friedman");
        var friedman =
            Ranks.Friedman([.. f.GetProperty("blocks").EnumerateArray()
                .Select(b => (IReadOnlyList<double>)[.. b.EnumerateArray().Select(x => x.GetDouble())])]).ShouldNotBeNull();
        friedman.Statistic.ShouldAgree(f.D("statistic"), "Friedman");
        friedman.P.ShouldAgree(f.D("p"), "p");
    }

    [Fact]
    public void All_alike_has_no_rank_test()
    {
        Ranks.KruskalWallis([[2, 2], [2, 2]]).ShouldBeNull();
        Ranks.Friedman([[1, 1], [4, 4]]).ShouldBeNull();
    }

    [Property(MaxTest = 60)]
    public void Ranks_always_sum_to_the_same(int[] values)
    {
        var ranks = Ranks.Of([.. values.Select(v => (double)v)]);
        ranks.Sum().ShouldBe(values.Length * (values.Length + 1) / 2.0, 1e-9);
    }

    [Fact]
    public void Replicates_agree_with_the_reference()
    {
        foreach (var c in Outside.Given.GetProperty("power").EnumerateArray())
        {
            var anova = c.S("kind") == "one-way anova";
            var mine = Replicates.Of(new ReplicatesQuestion {
                Kind = c.S("kind"),
                Difference = anova ? null : c.D("delta"),
                Sd = anova ? null : c.D("sd"),
                Groups = anova ? c.D("groups") : null,
                BetweenVar = anova ? c.D("betweenVar") : null,
                WithinVar = anova ? c.D("withinVar") : null,
                Power = c.D("power"),
            }).Value;
            mine.PerGroup.ShouldAgree(c.TryGetProperty("nPerGroup", out var n) ? n.GetDouble() : c.D("n"), c.ToString());
        }

        foreach (var c in Outside.Made.GetProperty("power").EnumerateArray())
        {
            Replicates.PerGroup(c.D("difference"), c.D("sd"), c.D("alpha"), c.S("kind") == "paired t" ? 0.8 : 0.95,
                c.S("kind") == "paired t").ShouldAgree(c.D("n"), c.ToString());
        }
    }

    [Fact]
    public void The_curve_rises_and_crosses_where_it_says()
    {
        var mine = Replicates.Of(new ReplicatesQuestion { Kind = "two-sample t", Difference = 0.5, Sd = 0.4 }).Value;
        mine.Plots.ShouldBe(12);
        mine.Curve.Zip(mine.Curve.Skip(1)).ShouldAllBe(x => x.Second.Power > x.First.Power);
        mine.Curve.Single(p => p.Plots == 11).Power.ShouldBeLessThan(0.8);
        mine.Curve.Single(p => p.Plots == 12).Power.ShouldBeGreaterThan(0.8);
    }

    [Theory]
    [InlineData("kind", "no test", 0.5, 0.4, 0.8)]
    [InlineData("difference", "paired t", 0.0, 0.4, 0.8)]
    [InlineData("difference", "paired t", double.NaN, 0.4, 0.8)]
    [InlineData("sd", "two-sample t", 0.5, -1.0, 0.8)]
    [InlineData("power", "two-sample t", 0.5, 0.4, 1.0)]
    [InlineData("groups", "one-way anova", 0.5, 0.4, 0.8)]
    [InlineData("difference", "two-sample t", 1e-6, 1e6, 0.8)]
    public void A_question_without_an_answer_names_its_field(string field, string kind, double difference, double sd, double power) =>
        Replicates.Of(new ReplicatesQuestion { Kind = kind, Difference = difference, Sd = sd, Power = power }).Refused!.Problems
            .ShouldContain(p => p.Field == field);

    [Fact]
    public void Sites_put_together_agree_with_the_reference()
    {
        List<SiteResult> sites = [.. Outside.Csv("meta-sites.csv")
            .Select(r => new SiteResult { Label = r["site"], Yi = Outside.Number(r["yi"]), Vi = Outside.Number(r["vi"]) })];
        var given = Outside.Given.GetProperty("meta");
        foreach (var (method, name) in new[] { ("reml", "REML_HartungKnapp"), ("dl", "DerSimonianLaird") })
        {
            var (mine, theirs) = (CombineTrials.Of(new CombineQuestion { Results = sites, Method = method }).Value,
                given.GetProperty(name));
            mine.Estimate.ShouldAgree(theirs.D("estimate"), name);
            mine.Se.ShouldAgree(theirs.D("se"), name);
            mine.Lower.ShouldAgree(theirs.D("lower"), name, 2e-6);
            mine.Upper.ShouldAgree(theirs.D("upper"), name);
            mine.Tau2.ShouldAgree(theirs.D("tau2"), name, 1e-5);
            mine.I2.ShouldAgree(theirs.D("I2"), name, 1e-5);
            mine.Q.ShouldAgree(theirs.D("Q"), name);
        }
    }

    [Fact]
    public void Prediction_intervals_agree_with_figures_made_elsewhere()
    {
        foreach (var c in Outside.Made.GetProperty("meta").EnumerateArray())
        {
            List<SiteResult> sites = [.. c.GetProperty("yi").EnumerateArray()
                .Zip(c.GetProperty("vi").EnumerateArray(), (y, v) => new SiteResult { Yi = y.GetDouble(), Vi = v.GetDouble() })];
            foreach (var method in new[] { "reml", "dl" })
            {
                var (mine, theirs) = (CombineTrials.Of(new CombineQuestion { Results = sites, Method = method }).Value,
                    c.GetProperty(method));
                mine.Estimate.ShouldAgree(theirs.D("estimate"), method, 1e-5);
                if (mine.Upper - mine.Lower > theirs.D("upper") - theirs.D("lower") + 1e-5)
                {
                    // Sites that agree by chance: floored at the width of their own errors, and never narrower.
                    mine.Se.ShouldBe(Math.Sqrt(1 / sites.Sum(x => 1 / x.Vi!.Value)), 1e-9);
                    continue;
                }

                mine.Lower.ShouldBe(theirs.D("lower"), 1e-5);
                mine.Tau2.ShouldBe(theirs.D("tau2"), 1e-6);
                mine.PredictionLower.ShouldBe(theirs.D("predictionLower"), 1e-5);
                mine.PredictionUpper.ShouldBe(theirs.D("predictionUpper"), 1e-5);
            }
        }
    }

    [Fact]
    public void What_cannot_be_put_together_is_refused()
    {
        CombineTrials.Of(new CombineQuestion { Results = [new() { Yi = 1, Vi = 1 }] }).Refused!.Problems.ShouldContain(p =>
            p.Field == "results");
        CombineTrials.Of(new CombineQuestion {
            Results = [new() { Yi = 1, Vi = 0 }, new() { Yi = double.NaN, Vi = 1 }],
            Method = "guess"
        }).Refused!.Problems.Select(p => p.Field).ShouldBe(["method", "results[0].vi", "results[1].yi"]);
    }

    [Fact]
    public void Several_dates_become_one_figure_a_plot()
    {
        RepeatedDates.MeanOverTime([new(20, 4), new(0, 2), new(10, 4)], 0, 20).ShouldBe(3.5);
        RepeatedDates.MeanOverTime([new(0, 2), new(10, 4)], 0, 20).ShouldBeNull("its last date is missing");
        RepeatedDates.DaysToHalf([new(4, 0), new(6, 20), new(10, 40)]).ShouldBe(6);
        RepeatedDates.DaysToHalf([new(4, 10), new(8, 30)])!.Value.ShouldBe(5, 1e-12);
        RepeatedDates.DaysToHalf([new(4, 0)]).ShouldBeNull();
    }
}
