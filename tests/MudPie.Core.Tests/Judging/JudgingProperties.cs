using FsCheck.Xunit;
using MathNet.Numerics.Distributions;
using MudPie.Core.Judging;
using MudPie.Core.Judging.Statistics;
using MudPie.Core.Judging.Trials;

namespace MudPie.Core.Tests.Judging;

/// <summary>What must hold whatever the figures are.</summary>
public class JudgingProperties
{
    private static readonly string[] Names = ["nothing", "water", "tea", "extract"];

    /// <summary>A made-up trial in blocks, told by its seed.</summary>
    private static TrialQuestion Made(int seed, int treatments = 3, int blocks = 5, Design design = Design.Blocks, double shift = 0,
        double scale = 1)
    {
        var random = new Random(seed);
        return new TrialQuestion {
            Design = design,
            Factors = ["treatment"],
            Control = "nothing",
            WorthHaving = 0.2 * scale,
            Rows = [.. Enumerable.Range(0, blocks)
                .SelectMany(b => Names.Take(treatments)
                    .Select((n, t) => new TrialRow { Plot = $"{b}{n}", Levels = [n], Block = $"{b}",
                        Value = shift + (scale * (3 + (0.15 * t) + (0.1 * b) + (0.2 * random.NextDouble()))) }))],
        };
    }

    [Property(MaxTest = 40)]
    public void A_constant_on_every_plot_changes_no_difference(int seed, short by)
    {
        var (a, b) = (TrialAnalysis.Of(Made(seed)).Value, TrialAnalysis.Of(Made(seed, shift: by)).Value);
        b.Verdict.ShouldBe(a.Verdict);
        foreach (var (x, y) in a.Dunnett.Zip(b.Dunnett))
        {
            y.Difference.ShouldBe(x.Difference, 1e-7);
            y.Lower!.Value.ShouldBe(x.Lower!.Value, 1e-6);
        }
    }

    [Property(MaxTest = 40)]
    public void Another_unit_changes_no_verdict_and_no_p(int seed)
    {
        var (kg, g) = (TrialAnalysis.Of(Made(seed)).Value, TrialAnalysis.Of(Made(seed, scale: 1000)).Value);
        g.Verdict.ShouldBe(kg.Verdict);
        foreach (var (x, y) in kg.Dunnett.Zip(g.Dunnett))
        {
            y.Difference.ShouldBe(x.Difference * 1000, 1e-6);
            y.P!.Value.ShouldBe(x.P!.Value, 1e-8);
        }
    }

    [Property(MaxTest = 40)]
    public void The_order_in_which_plots_are_typed_does_not_matter(int seed)
    {
        var q = Made(seed, 4);
        var deck = q.Rows.ToArray();
        new Random(seed ^ 77).Shuffle(deck);
        var (a, b) = (TrialAnalysis.Of(q).Value, TrialAnalysis.Of(q with { Rows = deck }).Value);
        b.Dunnett.ToDictionary(c => c.Of, c => Math.Round(c.Difference, 9))
            .ShouldBe(a.Dunnett.ToDictionary(c => c.Of, c => Math.Round(c.Difference, 9)), ignoreOrder: true);
        b.Sentence.ShouldBe(a.Sentence);
    }

    [Property(MaxTest = 40)]
    public void Sums_of_squares_of_a_whole_trial_add_up(int seed)
    {
        var q = Made(seed, 4, 6);
        var y = q.Rows.Select(r => r.Value!.Value).ToList();
        TrialAnalysis.Of(q).Value.Anova.Sum(l => l.Ss).ShouldBe(y.Sum(v => (v - y.Average()) * (v - y.Average())), 1e-9);
        TrialAnalysis.Of(q).Value.Anova.Sum(l => l.Df).ShouldBe(y.Count - 1);
    }

    [Property(MaxTest = 30)]
    public void Against_one_control_the_interval_is_no_wider_than_for_all_pairs_and_no_narrower_than_a_plain_t(int seed)
    {
        var a = TrialAnalysis.Of(Made(seed, 4, 6)).Value;
        foreach (var c in a.Dunnett)
        {
            var tukey = a.Tukey.Single(t => (t.Of == c.Of && t.Against == c.Against) || (t.Of == c.Against && t.Against == c.Of));
            var half = (c.Upper!.Value - c.Lower!.Value) / 2;
            half.ShouldBeLessThanOrEqualTo(((tukey.Upper!.Value - tukey.Lower!.Value) / 2) + 1e-12);
            half.ShouldBeGreaterThan(Distribution.CriticalT(0.05, c.Df!.Value) * Math.Abs(c.Difference / c.T!.Value));
            c.P!.Value.ShouldBeInRange(Distribution.TwoSidedT(c.T.Value, c.Df.Value) - 1e-9,
                (3 * Distribution.TwoSidedT(c.T.Value, c.Df.Value)) + 1e-9);
        }
    }

    [Property(MaxTest = 30)]
    public void Two_treatments_in_blocks_are_the_paired_t_and_F_is_its_square(int seed)
    {
        var a = TrialAnalysis.Of(Made(seed, 2, 7)).Value;
        var pairs = Made(seed, 2, 7).Rows.Chunk(2).Select(p => p[1].Value!.Value - p[0].Value!.Value).ToList();
        var sd = Math.Sqrt(pairs.Sum(d => (d - pairs.Average()) * (d - pairs.Average())) / 6);
        a.Dunnett[0].T!.Value.ShouldBe(pairs.Average() / (sd / Math.Sqrt(7)), 1e-7);
        a.Anova[1].F!.Value.ShouldBe(a.Dunnett[0].T!.Value * a.Dunnett[0].T!.Value, 1e-6);
    }

    [Fact]
    public void One_plot_missing_is_filled_as_Yates_would()
    {
        // Yates (1933): (t·T + b·B − G) / ((t−1)(b−1)) in its place gives the same treatment means.
        var q = Made(12, 3, 4);
        var rows = q.Rows.ToList();
        var gone = rows[4]; // water in block 1
        rows[4] = gone with { Value = null };
        double Sum(Func<TrialRow, bool> of) => rows.Where(r => r.Value is not null && of(r)).Sum(r => r.Value!.Value);
        var filled = ((3 * Sum(r => r.Levels[0] == "water")) + (4 * Sum(r => r.Block == gone.Block)) - Sum(_ => true))
            / ((3 - 1) * (4 - 1));
        var mean = (Sum(r => r.Levels[0] == "water") + filled) / 4;
        TrialAnalysis.Of(q with { Rows = rows }).Value.Means.Single(m => m.Name == "water").Mean.ShouldBe(mean, 1e-10);
    }

    [Property(MaxTest = 60)]
    public void A_verdict_is_one_of_five_and_a_better_interval_is_never_a_worse_word(int a, int b, int w)
    {
        var (lower, upper, worth) = (Math.Min(a % 100, b % 100) / 10.0, (Math.Max(a % 100, b % 100) / 10.0)
            + 0.05, (Math.Abs(w % 50) + 1) / 10.0);
        int Rank(Finding word) => word switch {
            Finding.Harm => 0,
            Finding.CannotTell or Finding.NoUse => 1,
            Finding.Some => 2,
            Finding.Works => 3,
            _ => throw new InvalidOperationException(word.Word())
        };
        Rank(TrialVerdicts.Of(lower + 1, upper + 1, worth)).ShouldBeGreaterThanOrEqualTo(Rank(TrialVerdicts.Of(lower, upper, worth)));
    }

    [Property(MaxTest = 40)]
    public void Fisher_does_not_mind_which_tray_comes_first(byte a, byte b, byte c, byte d)
    {
        var (w, x, y, z) = ((a % 30) + 1, (b % 30) + 1, (c % 30) + 1, (d % 30) + 1);
        var (p, odds, lower, upper) = Germination.Exact(w, x, y, z);
        var turned = Germination.Exact(y, z, w, x);
        turned.P.ShouldBe(p, 1e-9);
        turned.Odds.ShouldBe(1 / odds, (1 / odds * 5e-3) + 1e-4);
        lower.ShouldBeLessThanOrEqualTo(odds);
        upper.ShouldBeGreaterThanOrEqualTo(odds);
        p.ShouldBeInRange(0, 1);
        if (p > 0.06)
        {
            lower.ShouldBeLessThan(1.05);
            upper.ShouldBeGreaterThan(0.95);
        }
    }

    [Property(MaxTest = 40)]
    public void The_range_distribution_rises_with_q_and_falls_with_more_means(byte q, byte df)
    {
        var (at, nu) = (0.5 + (q % 40 / 8.0), 2 + (df % 60));
        var p = StudentizedRange.Cdf(at, 4, nu);
        StudentizedRange.Cdf(at + 0.3, 4, nu).ShouldBeGreaterThan(p);
        StudentizedRange.Cdf(at, 6, nu).ShouldBeLessThan(p);
        p.ShouldBeInRange(0, 1);
    }

    [Theory]
    [InlineData(2, 3)]
    [InlineData(5, 9)]
    [InlineData(9, 40)]
    public void A_quantile_is_where_its_chance_lies(int means, double df)
    {
        foreach (var alpha in new[] { 0.2, 0.05, 0.01, 0.001 })
        {
            (1 - StudentizedRange.Cdf(StudentizedRange.Quantile(alpha, means, df), means, df)).ShouldBe(alpha, 1e-7);
        }
    }

    [Property(MaxTest = 60)]
    public void With_nothing_to_find_the_non_central_are_the_central(byte t, byte df)
    {
        var (at, nu) = ((t - 128) / 40.0, 1 + (df % 50));
        NonCentral.T(at, nu, 0).ShouldBe(StudentT.CDF(0, 1, nu, at), 1e-8);
        NonCentral.F(Math.Abs(at), 3, nu, 0).ShouldBe(FisherSnedecor.CDF(3, nu, Math.Abs(at)), 1e-10);
        // A two-sided t on one side of nought is an F of one degree, non-central by δ².
        (NonCentral.T(Math.Abs(at), nu, 1.3) - NonCentral.T(-Math.Abs(at), nu, 1.3)).ShouldBe(NonCentral.F(at * at, 1, nu, 1.69), 1e-7);
    }

    [Property(MaxTest = 60)]
    public void Ranks_do_not_mind_a_rising_change_of_scale(int[] values)
    {
        List<double> x = [.. values.Select(v => v % 1000 / 10.0)];
        Ranks.Of([.. x.Select(v => Math.Exp(v / 50))]).ShouldBe(Ranks.Of(x));
    }

    [Property(MaxTest = 40)]
    public void Sites_that_agree_share_one_truth(short at, byte many)
    {
        var k = 2 + (many % 8);
        var a = CombineTrials.Of(new CombineQuestion {
            Results =
            [.. Enumerable.Range(0, k).Select(i => new SiteResult { Label = $"{i}", Yi = at / 100.0, Vi = 0.01 + (0.002 * i) })]
        }).Value;
        a.Estimate.ShouldBe(at / 100.0, 1e-9);
        a.Tau2.ShouldBe(0);
        a.Sites.Sum(s => s.WeightShare).ShouldBe(1, 1e-12);
        a.Q.ShouldBe(0, 1e-9);
        a.PredictionLower.ShouldBe(a.Lower, 1e-9);
    }

    [Property(MaxTest = 40)]
    public void Sites_moved_together_move_the_mean_and_not_its_width(int seed, short by)
    {
        var random = new Random(seed);
        List<SiteResult> sites =
            [.. Enumerable.Range(0, 6).Select(_ => new SiteResult { Yi = random.NextDouble(), Vi = 0.01 + (0.05 * random.NextDouble()) })];
        var (a, b) = (CombineTrials.Of(new CombineQuestion { Results = sites }).Value,
            CombineTrials.Of(new CombineQuestion { Results = [.. sites.Select(s => s with { Yi = s.Yi + by })] }).Value);
        b.Estimate.ShouldBe(a.Estimate + by, 1e-6);
        (b.Upper - b.Lower).ShouldBe(a.Upper - a.Lower, 1e-6);
        a.PredictionUpper.ShouldBeGreaterThanOrEqualTo(a.Upper);
        a.I2.ShouldBeInRange(0, 100);
    }

    [Property(MaxTest = 40)]
    public void A_tray_model_without_noise_gives_back_the_shares_it_was_made_from(byte a, byte b)
    {
        var (pa, pb) = (0.1 + (0.8 * a / 255), 0.1 + (0.8 * b / 255));
        IEnumerable<TrialRow> Trays(string t, double p) =>
            Enumerable.Range(0, 3).Select(_ => new TrialRow { Levels = [t], Value = Math.Round(200 * p), OutOf = 200 });
        var answer = TrialAnalysis.Of(new TrialQuestion {
            Kind = Scale.Count, Factors = ["t"], Control = "a",
            Rows = [.. Trays("a", pa), .. Trays("b", pb)]
        }).Value;
        answer.Means[0].Mean.ShouldBe(Math.Round(200 * pa) / 2, 1e-6);
        answer.Dunnett[0].Difference.ShouldBe((Math.Round(200 * pb) - Math.Round(200 * pa)) / 2, 1e-6);
        answer.Dispersion!.Value.ShouldBe(0, 1e-9);
        // By hand: two shares of 600 seeds each.
        var se = 100 * Math.Sqrt((answer.Means[0].Mean / 100 * (1 - (answer.Means[0].Mean / 100)) / 600)
            + (answer.Means[1].Mean / 100 * (1 - (answer.Means[1].Mean / 100)) / 600));
        ((answer.Dunnett[0].Upper!.Value - answer.Dunnett[0].Lower!.Value) / 2).ShouldBe(Distribution.CriticalT(0.05, 4) * se, 1e-5);
    }

    [Property(MaxTest = 40)]
    public void More_plots_always_see_more(byte worth, byte noise)
    {
        var (line, sd) = (0.05 + (worth / 255.0), 0.05 + (noise / 255.0));
        var points = ReplicatesPlan.Of(Design.Blocks, 3, 4, sd, line, "").Value.Points;
        points.Skip(1).Zip(points.Skip(2))
            .ShouldAllBe(p => p.Second.Power >= p.First.Power - 1e-9 && p.Second.HalfWidth <= p.First.HalfWidth);
    }

    [Property(MaxTest = 40)]
    public void Water_that_rises_takes_its_rise_from_every_lift(byte by)
    {
        double[] before = [8, 8.2, 7.8, 8.1], after = [9.4, 9.9, 9.6, 9.5];
        PatchRead Water(double rise) =>
            new() { Candidate = "water", Role = PatchRole.Water, Before = before, After = [.. before.Select(b => b + rise)] };
        var kelp = new PatchRead { Candidate = "kelp", Before = before, After = after };
        var (still, risen) = (Patches.Of([Water(0), kelp]).Value, Patches.Of([Water(by / 100.0), kelp]).Value);
        risen.Lifts[0].Lift.ShouldBe(still.Lifts[0].Lift - (by / 100.0), 1e-9);
        (risen.Lifts[0].Upper! - risen.Lifts[0].Lower!).Value.ShouldBe((still.Lifts[0].Upper! - still.Lifts[0].Lower!).Value, 1e-9);
    }

    [Fact]
    public void Residuals_of_a_bell_are_seldom_called_crooked_and_of_a_skew_often()
    {
        var random = new Random(5);
        double[] Draw(Func<double, double> shape) => [.. Enumerable.Range(0, 30).Select(_ => shape(Normal.Sample(random, 0, 1)))];
        int Called(Func<double, double> shape) => Enumerable.Range(0, 300).Count(_ => Shape.NormalP(Draw(shape)) < 0.05);
        Called(z => z).ShouldBeInRange(3, 33); // about 15 of 300
        Called(Math.Exp).ShouldBeGreaterThan(270);
    }

    [Fact]
    public void Spread_that_is_even_is_seldom_called_uneven_and_fourfold_often()
    {
        var random = new Random(6);
        int Called(double times) =>
            Enumerable.Range(0, 300)
                .Count(_ => Shape.EvenSpreadP(
                    [.. new[] { 1, 1, times }.Select(s =>
                        (IReadOnlyList<double>)[.. Enumerable.Range(0, 12).Select(_ => Normal.Sample(random, 0, s))])]) < 0.05);
        Called(1).ShouldBeInRange(2, 30);
        Called(4).ShouldBeGreaterThan(240);
    }

    [Fact]
    public void Ninety_five_in_a_hundred_intervals_hold_the_truth()
    {
        var random = new Random(8);
        var held = Enumerable.Range(0, 400).Count(_ =>
        {
            var q = new TrialQuestion {
                Design = Design.Blocks, Factors = ["t"], Control = "a",
                Rows = [.. Enumerable.Range(0, 4)
                    .SelectMany(b => new[] { ("a", 0.0), ("b", 0.5), ("c", 0.2) }.Select(t => new TrialRow { Levels = [t.Item1],
                        Block = $"{b}", Value = t.Item2 + (0.4 * b) + Normal.Sample(random, 0, 0.3) }))]
            };
            var d = TrialAnalysis.Of(q).Value.Dunnett;
            return d.Single(c => c.Of == "b") is { Lower: < 0.5, Upper: > 0.5 }
                && d.Single(c => c.Of == "c") is { Lower: < 0.2, Upper: > 0.2 };
        });
        held.ShouldBeInRange(366, 393); // 380 by Dunnett, give or take three standard errors
    }
}
