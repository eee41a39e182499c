using MudPie.Core.Judging.Statistics;
using MudPie.Core.Judging.Trials;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.Judging;

/// <summary>What a grower is told beside a verdict, and what sites say together, each in its words.</summary>
public sealed class TrialToldTests
{
    private static readonly LaidTreatment Tea = new("tea", TrialRole.Treatment, ["tea"]);
    private static readonly LaidTreatment Kelp = new("kelp", TrialRole.Treatment, ["kelp"]);
    private static readonly LaidTreatment Wet = new("water only", TrialRole.Water, ["water only"]);
    private static readonly LaidTreatment Bare = new("nothing", TrialRole.Control, ["nothing"]);

    private static LaidTrial Laid(Design design = Design.Random) => new() {
        Design = design, Liquid = true, Factors = ["treatment"], WorthHaving = 0.5, Replicates = 4, ByLot = true, Blind = true,
        Treatments = [Tea, Kelp, Wet, Bare], Plots = [],
    };

    private static TrialMean Mean(string name, double mean) => new("treatment", name, 4, mean, mean - 1, mean + 1);

    private static TrialComparison Apart(string of, string against, double difference, double? half) =>
        new("treatment", $"{of}-{against}", of, against, difference, difference - half, difference + half, null, null, null);

    private static ComparisonVerdict Says(string of, Finding word, double difference, double? half = 0.1, int? more = null) =>
        new(of, "water only", word, difference, difference - half, difference + half, "", more, null);

    private static TrialAnswer Answer(Finding word = Finding.CannotTell, double? sd = null) => new() {
        Response = "yield", Unit = "kg", Test = new("", ""), Anova = [], Dunnett = [], Ranks = null, Verdict = word, Sentence = "",
        NoiseSd = sd, NoiseDf = null, Dispersion = null, Checks = [], Residuals = [], Missing = [], Looked = 1,
        Means = [Mean("tea", 12), Mean("kelp", 11.5), Mean("water only", 11), Mean("nothing", 10)],
        Tukey = [Apart("water only", "kelp", -0.5, 9), Apart("nothing", "kelp", -1.5, 9), Apart("nothing", "water only", -1, 0.5)],
        Verdicts =
        [
            Says("tea", Finding.CannotTell, 0.9), Says("kelp", Finding.Works, 0.3), Says("char", Finding.Works, 0.5),
            Says("nothing", Finding.Works, 2),
        ],
    };

    [Fact]
    public void The_headline_is_of_what_is_tried_and_bears_its_word()
    {
        var asked = new TrialQuestion { Bystanders = ["nothing"] };
        TrialTold.Headline(Answer(Finding.Works), asked).Of.ShouldBe("char");
        TrialTold.Headline(Answer(Finding.Works), asked with { LowerIsBetter = true }).Of.ShouldBe("kelp");
        TrialTold.Headline(Answer(Finding.CannotTell), asked).Of.ShouldBe("tea");
    }

    [Fact]
    public void Only_money_that_can_be_reckoned_is_told()
    {
        var told = Says("tea", Finding.Works, 0.02, 0.01);
        TrialTold.Earns(null, told, false).ShouldBeNull();
        TrialTold.Earns(new TrialMoney(), told, false).ShouldBeNull();
        TrialTold.Earns(new TrialMoney { PricePerUnit = -1 }, told, false).ShouldBeNull();
        var worth = TrialTold.Earns(new TrialMoney { PricePerUnit = 10 }, told, false)!.Value;
        (worth.PerHa, worth.Lower!.Value, worth.Upper!.Value).ShouldBe((2000, 1000, 3000), new Near());
        var less = TrialTold.Earns(new TrialMoney { PricePerUnit = 10 }, told, true)!.Value;
        (less.PerHa, less.Lower!.Value, less.Upper!.Value).ShouldBe((-2000, -3000, -1000), new Near());
    }

    [Theory]
    [InlineData(Design.Blocks, "blocks")]
    [InlineData(Design.Factorial, "blocks")]
    [InlineData(Design.Paired, "pairs")]
    [InlineData(Design.Pair, "pairs")]
    [InlineData(Design.Random, "plots of each")]
    public void What_would_settle_it_is_said_in_what_the_trial_is_laid_out_in(Design design, string laid) =>
        TrialTold.Settle(Laid(design), Answer(), Says("tea", Finding.CannotTell, 1, more: 3))
            .ShouldBe([$"3 more {laid} next season: then you would know eight times in ten."]);

    [Fact]
    public void What_would_settle_it_where_plots_are_enough_or_none_tell_the_noise()
    {
        TrialTold.Settle(Laid(), Answer(sd: 0.25), Says("tea", Finding.CannotTell, 1, more: 0)).ShouldBe([
            "There are plots enough to see such a difference eight times in ten: the truth may lie near the line. Another season would "
                + "tell.",
            "Or quieter plots: those treated alike stray by 0.25 kg; weighing more plants a plot, or even ground, brings that down."]);
        TrialTold.Settle(Laid(), Answer(sd: 0.25), Says("tea", Finding.CannotTell, 1, null)).ShouldBe([
            "Four pairs or more, laid by lot: then there is something to judge by."]);
        TrialTold.Settle(Laid(), Answer(), Says("tea", Finding.CannotTell, 1)).ShouldBeEmpty();
        TrialTold.Settle(Laid(), Answer(Finding.Some, 0.25), Says("tea", Finding.Some, 1, more: 2)).Count().ShouldBe(1);
        foreach (var settled in new[] { Finding.Works, Finding.NoUse, Finding.Harm })
        {
            TrialTold.Settle(Laid(), Answer(settled, 0.25), Says("tea", settled, 1, more: 3)).ShouldBeEmpty();
        }
    }

    [Fact]
    public void What_watering_alone_did()
    {
        const string End = " Without the water-only plots this would have looked like more.";
        var (asked, a) = (new TrialQuestion(), Answer());
        TrialTold.Water(Laid(), a, asked).ShouldBe($"Watering alone did about 50 % of what tea did over nothing.{End}");
        var unsure = a with { Tukey = [a.Tukey[0], a.Tukey[1], Apart("water only", "nothing", 1, 1.5)] };
        TrialTold.Water(Laid(), unsure, asked)
            .ShouldBe($"Watering alone did about 50 % of what tea did over nothing (itself inside the noise).{End}");
        TrialTold.Water(Laid(), a with { Tukey = [Apart("nothing", "water only", -1, null)] }, asked)!.ShouldNotContain("noise");
        TrialTold.Water(Laid(), a with { Means = [Mean("tea", 12), Mean("water only", 14), Mean("nothing", 10)] }, asked)!
            .ShouldStartWith("Watering alone did about 100 %");
    }

    [Fact]
    public void What_watering_alone_did_where_less_is_better()
    {
        var less = new TrialQuestion { LowerIsBetter = true };
        TrialMean[] Of(double tea, double kelp, double water, double nothing) =>
            [Mean("tea", tea), Mean("kelp", kelp), Mean("water only", water), Mean("nothing", nothing)];
        TrialTold.Water(Laid(), Answer() with { Means = Of(8, 6, 9, 10) }, less)!
            .ShouldStartWith("Watering alone did about 25 % of what kelp");
        TrialTold.Water(Laid(), Answer() with { Means = Of(12, 13, 9, 10) }, less).ShouldBeNull(); // nothing beat nothing
        TrialTold.Water(Laid(), Answer() with { Means = Of(8, 6, 11, 10) }, less).ShouldBeNull(); // watering did no good
    }

    [Theory]
    [InlineData(12, 12, 10, 10)] // watering did nothing at all
    [InlineData(12, 12, 9, 10)]
    [InlineData(10, 10, 11, 10)] // nothing was better than none
    [InlineData(9, 9.5, 11, 10)]
    public void Of_watering_nothing_is_said_where_it_did_nothing(double tea, double kelp, double water, double nothing) =>
        TrialTold.Water(Laid(), Answer() with {
            Means = [Mean("tea", tea), Mean("kelp", kelp), Mean("water only", water), Mean("nothing", nothing)]
        }, new TrialQuestion()).ShouldBeNull();

    [Fact]
    public void Of_watering_nothing_is_said_where_it_was_not_tried()
    {
        var (asked, a) = (new TrialQuestion(), Answer());
        TrialTold.Water(Laid() with { Liquid = false }, a, asked).ShouldBeNull();
        TrialTold.Water(Laid() with { Treatments = [Tea, Wet] }, a, asked).ShouldBeNull();
        TrialTold.Water(Laid() with { Treatments = [Tea, Bare] }, a, asked).ShouldBeNull();
        TrialTold.Water(Laid(), a with { Means = [a.Means[0], a.Means[3]] }, asked).ShouldBeNull();
        TrialTold.Water(Laid(), a with { Means = [a.Means[0], a.Means[2]] }, asked).ShouldBeNull();
        TrialTold.Water(Laid(), a with { Means = [a.Means[2], a.Means[3]] }, asked).ShouldBeNull();
        TrialTold.Water(Laid(), a with { Tukey = [] }, asked).ShouldNotBeNull();
    }

    private static SiteResult Site(double y, double v, string label = "") => new() { Label = label, Yi = y, Vi = v };

    [Fact]
    public void Sites_are_laid_beside_each_other_with_what_each_counts_for()
    {
        var a = CombineTrials.Of(new() { Results = [Site(1, 0.04, "loam"), Site(2, 0.16, "sand")], Method = "dl" }).Worked;
        // By hand: weights 25 and 6.25, mean 1.2, Q = 25 · 0.04 + 6.25 · 0.64 = 5; τ² = (5 − 1) ÷ (31.25 − 664.0625 ÷ 31.25) = 0.4.
        (a.Value.Q, a.Value.Tau2).ShouldBe((5, 0.4), new Close());
        a.Value.QP.ShouldBe(0.025347, 1e-6);
        a.Value.I2.ShouldBe(80, 1e-9);
        var (w1, w2) = (1 / 0.44, 1 / 0.56);
        a.Value.Estimate.ShouldBe((w1 + (2 * w2)) / (w1 + w2), 1e-12);
        a.Value.Sites.Select(s => s.WeightShare).ShouldBe([w1 / (w1 + w2), w2 / (w1 + w2)], 1e-12);
        (a.Value.Sites[0].Lower, a.Value.Sites[0].Upper).ShouldBe((1 - 0.391993, 1 + 0.391993), new Close(1e-6));
        (a.Value.Sites[1].Label, a.Value.Sites[1].Estimate).ShouldBe(("sand", 2));
    }

    [Fact]
    public void The_sum_of_sites_names_its_method()
    {
        SiteResult[] sites = [Site(-0.2, 0.01), Site(0.1, 0.02), Site(0.3, 0.03)];
        var reml = CombineTrials.Of(new() { Results = sites }).Worked;
        var dl = CombineTrials.Of(new() { Results = sites, Method = "dl" }).Worked;
        reml.Working.Select(w => w.Source).ShouldBe(["Viechtbauer 2005", "random effects", "Hartung and Knapp 2001",
            "Higgins and others 2009"]);
        dl.Working.Select(w => w.Source).ShouldBe(["DerSimonian and Laird 1986", "random effects", "normal", "Higgins and others 2009"]);
        (reml.Working[0].Formula, dl.Working[0].Formula).ShouldBe(("τ² by restricted likelihood", "τ² = (Q − (k−1)) ÷ (Σw − Σw² ÷ Σw)"));
        (reml.Working[2].Formula, dl.Working[2].Formula).ShouldBe(("± t(k−1) · √(Σ w (y − μ)² ÷ ((k−1) Σw))", "± 1.96 · √(1 ÷ Σw)"));
        dl.Working[0].Figures.ShouldEndWith(" on 2");
        dl.Working[3].Result.ShouldBe($"{Say.Number(dl.Value.PredictionLower)} to {Say.Number(dl.Value.PredictionUpper)}");
        (dl.Value.PredictionUpper - dl.Value.Estimate).ShouldBe(dl.Value.Estimate - dl.Value.PredictionLower, 1e-12);
        dl.Value.PredictionUpper.ShouldBeGreaterThan(dl.Value.Upper);
    }

    [Fact]
    public void What_sites_say_together_is_said_with_its_signs()
    {
        SiteResult[] few = [Site(-0.2, 0.0001), Site(-0.2, 0.0001)];
        CombineTrials.Of(new() { Results = few, Method = "dl", WorthHaving = 0.1 }).Value.Sentence.ShouldBe(
            "Over 2 results the difference is −0.2, −0.21 to −0.19: does harm. The next site may see −0.21 to −0.19. 2 results are few: "
                + "how much sites differ is hardly known.");
        CombineTrials.Of(new() { Results = [.. few, .. few], Method = "dl" }).Value.Sentence.ShouldContain("4 results are few");
        var five = CombineTrials.Of(new() { Results = [.. Enumerable.Repeat(Site(0, 0.0001), 5)], Method = "dl" }).Value.Sentence;
        five.ShouldStartWith("Over 5 results the difference is +0, −0.0088 to +0.0088: ");
        five.ShouldNotContain("few");
    }

    [Fact]
    public void Two_to_two_hundred_sites_are_put_together()
    {
        Refusal? Refused(int n) => CombineTrials.Of(new() { Results = [.. Enumerable.Repeat(Site(1, 1), n)] }).Refused;
        Refused(2).ShouldBeNull();
        Refused(200).ShouldBeNull();
        Refused(201)!.Problems.Single().Wrong.ShouldBe("That is more than 200.");
        Refused(1)!.Problems.Single().Wrong.ShouldBe("One result can’t be put together with nothing.");
        CombineTrials.Of(new()).Refused!.Problems.Single().Field.ShouldBe("results");
        CombineTrials.Of(new() { Results = [Site(1, 1), Site(1, 1)], WorthHaving = 0 }).Refused!.Problems.Single().Field
            .ShouldBe("worthHaving");
    }

    private static List<TrialRow> Rows(params (string Name, double[] Values)[] of) =>
        [.. of.SelectMany(t => t.Values.Select((v, i) =>
            new TrialRow { Plot = $"{t.Name}{i}", Levels = [t.Name], Block = $"{i}", Value = v }))];

    [Fact]
    public void Means_and_pairs_of_even_blocks_by_the_textbook()
    {
        var a = TrialAnalysis.Of(new() {
            Design = Design.Blocks, Factors = ["t"], Control = "water",
            Rows = Rows(("water", [10, 12, 13]), ("tea", [12, 13, 16]), ("kelp", [11, 12, 12]))
        }).Value;
        // Blocks 13, 12.3, 13.7 apart; with 4 left over, each mean's standard error is √(MS ÷ 3) and a pair's √(2 MS ÷ 3).
        var (ms, df) = (a.Anova[^1].Ms!.Value, a.Anova[^1].Df);
        df.ShouldBe(4);
        foreach (var mean in a.Means)
        {
            (mean.Upper!.Value - mean.Mean).ShouldBe(Distribution.CriticalT(0.05, 4) * Math.Sqrt(ms / 3), 1e-9);
            (mean.Mean - mean.Lower!.Value).ShouldBe(mean.Upper.Value - mean.Mean, 1e-9);
        }

        var tea = a.Tukey.Single(c => c.Pair == "tea-water");
        tea.T!.Value.ShouldBe(2 / Math.Sqrt(2 * ms / 3), 1e-9);
        tea.Df.ShouldBe(4);
        (tea.Upper!.Value - 2).ShouldBe(StudentizedRange.Quantile(0.05, 3, 4) * Math.Sqrt(ms / 3), 1e-6);
    }

    [Fact]
    public void One_degree_of_freedom_is_told_and_none_is_not()
    {
        TrialAnswer Judge(double[] water, double[] tea) => TrialAnalysis.Of(new() {
            Design = Design.Blocks, Factors = ["t"],
            Rows = Rows(("water", water), ("tea", tea))
        }).Value;
        var one = Judge([10, 12], [12, 13]);
        one.NoiseDf.ShouldBe(1);
        one.Dunnett[0].Lower.ShouldNotBeNull();
        one.Tukey[0].Df.ShouldBe(1);
        one.Means[0].Lower.ShouldNotBeNull();
        var none = Judge([10], [12]);
        (none.NoiseDf, none.Dunnett[0].Lower, none.Tukey[0].Df, none.Tukey[0].T, none.Means[0].Lower)
            .ShouldBe((null, null, null, null, null));
        Judge([10, 10, 10], [10, 10, 10]).Tukey[0].T.ShouldBeNull();
    }

    private sealed class Near : IEqualityComparer<(double, double, double)>
    {
        public bool Equals((double, double, double) x, (double, double, double) y) =>
            Math.Abs(x.Item1 - y.Item1) + Math.Abs(x.Item2 - y.Item2) + Math.Abs(x.Item3 - y.Item3) < 1e-6;

        public int GetHashCode((double, double, double) obj) => 0;
    }

    private sealed class Close(double within = 1e-9) : IEqualityComparer<(double, double)>
    {
        public bool Equals((double, double) x, (double, double) y) =>
            Math.Abs(x.Item1 - y.Item1) + Math.Abs(x.Item2 - y.Item2) < within;

        public int GetHashCode((double, double) obj) => 0;
    }
}
