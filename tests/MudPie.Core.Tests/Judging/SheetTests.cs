using MudPie.Core.Judging.Statistics;
using MudPie.Core.Judging.Trials;
using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.Judging;

/// <summary>A sheet of figures put into verdicts and words: which comparison speaks, by which spread, and how the sum is shown.</summary>
public sealed class SheetTests
{
    private static TrialComparison Apart(string of, string against, double difference, double? half, double? p = null,
        string term = "x:y") =>
        new(term, $"{of} - {against}", of, against, difference, difference - half, difference + half, difference / (half ?? 1), 12, p);

    private static readonly TrialComparison[] Crossed = [Apart("a, no", "no, no", 1, 0.2), Apart("no, b", "no, no", 1.5, 0.2),
        Apart("a, b", "no, no", 3, 0.2)];

    private static TrialRow[] Rows(IEnumerable<string> names) => [.. names.SelectMany(n => Enumerable.Range(0, 4)
        .Select(i => new TrialRow { Plot = $"{n} {i}", Levels = n.Split(", "), Value = 10 + i }))];

    private static Worked<TrialAnswer> Write(TrialQuestion q, TrialComparison[] dunnett, Func<Sheet, Sheet>? with = null)
    {
        var rows = Rows([dunnett[0].Against, .. dunnett.Select(c => c.Of)]);
        var sheet = new Sheet {
            Test = new("an analysis", "because"), Anova = [], Means = [], Tukey = [], Dunnett = dunnett,
            Halves = [.. dunnett.Select(c => c.Upper - c.Difference)], Ms = 0.04, Df = 12, Ranks = null, Control = dunnett[0].Against,
            // Every treatment strays alike.
            Residuals = [.. rows.Select((_, i) => (i % 4) - 1.5)], Studentized = [.. rows.Select(_ => 0.5)],
        };
        return Sheet.Write(q with { Rows = rows }, rows, with is null ? sheet : with(sheet));
    }

    private static readonly TrialQuestion TwoFactors = new() { Factors = ["x", "y"], WorthHaving = 0.5, Unit = "kg" };

    [Fact]
    public void Of_crossed_treatments_that_work_the_one_that_does_least_speaks_first()
    {
        Write(TwoFactors, Crossed).Value.Sentence.ShouldStartWith("“no, b” gave 1.5 kg more than “no, no”, give or take 0.2.");
        Write(TwoFactors with { Conditions = ["y"] }, Crossed).Value.Sentence.ShouldStartWith("“a, b” gave 3 kg more");
        TrialComparison[] less = [.. Crossed.Select(c => Apart(c.Of, c.Against, -c.Difference, 0.2))];
        Write(TwoFactors with { LowerIsBetter = true }, less).Value.Sentence.ShouldStartWith("“no, b” gave 1.5 kg less");
        var one = new TrialQuestion { Factors = ["x"], WorthHaving = 0.5 };
        Write(one, [Apart("tea", "water", 1, 0.2), Apart("kelp", "water", 2, 0.2)]).Value.Sentence.ShouldStartWith("Kelp gave 2 more");
        Write(one, [Apart("tea", "water", 0.1, 0.2), Apart("kelp", "water", 2, 3)]).Value.Verdict.ShouldBe(Finding.CannotTell);
    }

    [Fact]
    public void Bystanders_make_no_headline_unless_there_is_nothing_else()
    {
        var one = new TrialQuestion { Factors = ["x"], WorthHaving = 0.5, Bystanders = ["nothing"] };
        var a = Write(one, [Apart("nothing", "water", -2, 0.2), Apart("tea", "water", 0, 0.2)]).Value;
        (a.Verdict, a.Verdicts.Count).ShouldBe((Finding.NoUse, 2));
        Write(one, [Apart("nothing", "water", -2, 0.2)]).Value.Verdict.ShouldBe(Finding.Harm);
    }

    [Fact]
    public void What_both_together_do_beyond_the_one_is_said_where_nothing_shows_it()
    {
        string Says(params TrialComparison[] pairs) => Write(TwoFactors, Crossed, s => s with { Tukey = pairs }).Value.Sentence;
        const string Told = " Nothing shows that both together do more: ";
        var both = Apart("a, b", "no, b", 0.1, 1, 0.4);
        Says(both).ShouldEndWith(Told + "“a, b” and “no, b” can’t be told apart.");
        Says(Apart("no, b", "a, b", 0.1, 1, 0.4)).ShouldContain(Told);
        Says(both, Apart("c, b", "no, b", 0.1, 1, 0.9)).ShouldEndWith(Told + "“c, b” and “no, b” can’t be told apart."); // the likest
        Says(Apart("a, b", "no, b", 1.5, 1, 0.01)).ShouldNotContain(Told); // they are told apart
        Says(Apart("a, b", "no, b", -1.5, 1, 0.01)).ShouldNotContain(Told);
        Says(Apart("a, b", "a, no", 0.1, 1, 0.4)).ShouldNotContain(Told); // of what is not the headline
        Says(Apart("a, no", "no, b", 0.1, 1, 0.4)).ShouldNotContain(Told); // neither is both
        Says(Apart("no, b", "no, no", 0.1, 1, 0.4)).ShouldNotContain(Told); // the control is neither
        Says(Apart("a, b", "no, b", 0.1, null, 0.4)).ShouldNotContain(Told);
        Says(Apart("a, b", "no, b", 0.1, 1, 0.4, "x")).ShouldNotContain(Told);
        Write(TwoFactors with { Conditions = ["y"] }, Crossed, s => s with { Tukey = [Apart("a, b", "no, b", 0.1, 1, 0.4)] }).Value.Sentence
            .ShouldNotContain(Told);
        Write(TwoFactors with { WorthHaving = 9 }, [Apart("a, no", "no, no", 0, 0.2), Apart("a, b", "no, no", 0.1, 0.2)],
            s => s with { Tukey = [Apart("a, b", "a, no", 0.1, 1, 0.4)] }).Value.Sentence.ShouldNotContain(Told); // nothing works
    }

    [Fact]
    public void Several_looks_take_the_wider_half_and_the_sum_says_so()
    {
        var one = new TrialQuestion { Factors = ["x"], WorthHaving = 0.5, Unit = "kg" };
        TrialComparison[] tea = [Apart("tea", "water", 1, 0.2)];
        Sheet Wider(Sheet s) => s with { Halves = [0.6] };
        var (once, twice) = (Write(one, tea, Wider), Write(one with { Looked = 2 }, tea, Wider));
        (once.Value.Verdicts[0].Lower!.Value, once.Value.Verdict).ShouldBe((0.8, Finding.Works));
        (twice.Value.Verdicts[0].Lower!.Value, twice.Value.Verdict).ShouldBe((0.4, Finding.Some));
        once.Working.Select(w => w.Name).ShouldBe(["noise", "tea - water"]);
        twice.Working[2].ShouldBe(new WorkingLine("several looks", "verdicts take intervals at 1 − 0.05 ÷ measures",
            "2 measures and dates looked at", "97.5 %", "Bonferroni"));
        once.Working[0].ShouldBe(new WorkingLine("noise", "√(residual sum of squares ÷ its degrees of freedom)", "0.48 on 12",
            "0.2 kg between plots treated alike", "an analysis"));
        once.Working[1].ShouldBe(new WorkingLine("tea - water", "difference ± critical t × its standard error", "t 5 on 12",
            "1 (0.8 to 1.2)", "an analysis"));
    }

    [Fact]
    public void Each_comparison_says_by_which_noise_it_was_judged()
    {
        var one = new TrialQuestion { Factors = ["x"] };
        TrialComparison[] two = [Apart("tea", "water", 1, 0.2), Apart("kelp", "water", 2, 0.2)];
        IEnumerable<string> Of(Func<Sheet, Sheet>? with = null) => Write(one, two, with).Working.Select(w => w.Source);
        Of().ShouldBe(["an analysis", "Dunnett 1955, all against the control at once", "Dunnett 1955, all against the control at once"]);
        Of(s => s with { Judged = [two[1]], Halves = [0.2] })
            .ShouldBe(["an analysis", "each by its own spread, all against the control at once"]);
        Of(s => s with { Noises = [new("parts", "", "", "", "theirs")] }).ShouldBe(["theirs",
            "each by the noise it carries, all against the control at once",
            "each by the noise it carries, all against the control at once"]);
        var judged = Write(one, two, s => s with { Judged = [two[1]], OwnMeans = [new("x", "kelp", 4, 2, null, null)] }).Value;
        (judged.Judged.Single().Of, judged.JudgedMeans.Single().Name, judged.Verdicts.Single().Of).ShouldBe(("kelp", "kelp", "kelp"));
        Write(one, two).Value.Judged.Count.ShouldBe(2);
    }

    [Fact]
    public void Without_freedom_there_is_no_noise_and_no_interval()
    {
        var one = new TrialQuestion { Factors = ["x"], WorthHaving = 0.5 };
        TrialComparison[] tea = [Apart("tea", "water", 1, 0.2)];
        var none = Write(one, tea, s => s with { Df = 0 }).Value;
        (none.NoiseSd, none.NoiseDf, none.Verdicts[0].Lower, none.Verdict).ShouldBe((null, null, null, Finding.CannotTell));
        var single = Write(one, tea, s => s with { Df = 1 }).Value;
        (single.NoiseSd, single.NoiseDf, single.Verdict).ShouldBe((0.2, 1, Finding.Works));
        Write(one, tea, s => s with { Ms = double.NaN }).Value.NoiseSd.ShouldBeNull();
        var untold = Write(one, [Apart("tea", "water", 1, null)]).Value;
        (untold.Verdict, untold.Verdicts[0].Lower).ShouldBe((Finding.CannotTell, null));
        Write(one, [Apart("tea", "water", 1, null) with { T = null }]).Working[1].ShouldBe(new WorkingLine("tea - water",
            "difference ± critical t × its standard error", "one of each", "1", "an analysis"));
    }

    [Fact]
    public void A_plot_far_from_the_rest_is_far_for_so_many_plots()
    {
        var one = new TrialQuestion { Factors = ["x"] };
        TrialComparison[] tea = [Apart("tea", "water", 1, 0.2)];
        TrialAnswer Of(double studentized, double df = 12) => Write(one, tea, s => s with {
            Df = df,
            Studentized = [studentized, .. s.Studentized.Skip(1)]
        }).Value;
        // Eight plots: each may be one in 160; on 11 degrees of freedom that is a t of 3.37.
        var line = Distribution.CriticalT(0.05 / 8, 11);
        Of(line + 0.01).Residuals[0].Outlier.ShouldBeTrue();
        Of(line - 0.01).Residuals[0].Outlier.ShouldBeFalse();
        Of(1e6, 2).Residuals[0].Outlier.ShouldBeFalse(); // two degrees tell nothing of that
        Of(double.NaN).Residuals[0].Studentized.ShouldBeNull();
        var first = Of(0.5).Residuals[0];
        (first.Plot, first.Treatment, first.Fitted, first.Residual, first.Studentized).ShouldBe(("water 0", "water", 11.5, -1.5, 0.5));
    }

    [Fact]
    public void How_many_more_counts_the_fewer_plots_of_the_two_and_each_comparisons_own_noise()
    {
        var q = new TrialQuestion { Factors = ["x"], WorthHaving = 0.5 };
        TrialComparison[] two = [Apart("tea", "water", 0.2, 0.6, term: "x"), Apart("kelp", "water", 0.2, 0.6, term: "x")];
        TrialMean Mean(string name, int plots, string term = "x") => new(term, name, plots, 1, null, null);
        TrialMean[] means = [Mean("water", 9), Mean("tea", 6), Mean("kelp", 12), Mean("oats", 2), Mean("tea", 1, "y")];
        int? More(int i, Func<Sheet, Sheet>? with = null) =>
            Write(q, two, s => (with ?? (x => x))(s with { Means = means, Ms = 0.36 })).Value.Verdicts[i].MorePerTreatment;
        More(0).ShouldBe(TrialVerdicts.More(0.6, 0.5, 6, 2));
        More(1).ShouldBe(TrialVerdicts.More(0.6, 0.5, 9, 2));
        More(0)!.Value.ShouldBe(More(1)!.Value + 3);
        More(1, s => s with { Strays = [0.1, 0.9] }).ShouldBe(TrialVerdicts.More(0.9, 0.5, 9, 2));
    }

    [Theory]
    [InlineData(1)]
    [InlineData(3)]
    public void Where_one_strays_far_more_each_side_takes_its_own_spread_if_that_is_wider(int looked)
    {
        double[] small = [0.02, -0.03, 0.01, 0.03, -0.02, -0.01, 0.02, -0.02], wild = [1.6, -1.9, 1.2, -0.8, 2.1, -1.5, -1.7, 1.0];
        TrialRow Row(string t, int b, double v) => new() { Plot = $"{t}{b}", Levels = [t], Block = $"{b}", Value = v };
        var a = TrialAnalysis.Of(new() {
            Design = Design.Blocks, Factors = ["t"], Control = "water", WorthHaving = 0.5, Looked = looked,
            Rows = [.. Enumerable.Range(0, 8).SelectMany(b => new[] { Row("water", b, 10 + small[b]),
                Row("kelp", b, 12 - small[(b + 3) % 8]),
                Row("tea", b, 13 + wild[b]) })],
        }).Value;
        a.Checks.ShouldContain(c => c.StartsWith("Some treatments stray far more"));
        (double V, int N) Side(string name)
        {
            var left = a.Residuals.Where(r => r.Treatment == name).Select(r => r.Residual).ToList();
            return (left.Sum(e => e * e) / (8 * a.NoiseDf!.Value / 24) / 8, 8); // blocks' freedom given back evenly
        }

        foreach (var verdict in a.Verdicts)
        {
            var (of, water) = (Side(verdict.Of).V, Side("water").V);
            var df = (of + water) * (of + water) / ((of * of / 7) + (water * water / 7));
            var own = Distribution.CriticalT(0.05 / (2 * looked), df) * Math.Sqrt(of + water);
            var pooled = a.Dunnett.Single(c => c.Of == verdict.Of) is { } c ? c.Upper!.Value - c.Difference : 0;
            var half = verdict.Upper!.Value - verdict.Difference;
            (half >= pooled - 1e-12 && half >= own - 1e-12).ShouldBeTrue(verdict.Of);
            if (verdict.Of == "tea")
            {
                half.ShouldBe(own, 1e-9);
            }
        }
    }

    [Fact]
    public void What_is_only_where_a_thing_is_tried()
    {
        IReadOnlyList<string> Of(string[] factors, string[][] treatments, params string[][] controls) =>
            TrialSettings.Of(factors, treatments, controls);
        Of(["char", "crop"], [["none", "beet"], ["char", "beet"], ["none", "dahlia"]], ["none", "beet"], ["none", "dahlia"])
            .ShouldBe(["crop"]);
        Of(["char", "dose"], [["none", "x"], ["char", "y"]], ["none", "x"], ["none", "y"]).ShouldBe(["dose"]); // controls differ in it
        Of(["char", "dose"], [["none", "x"], ["char", "y"]], ["none", "x"]).ShouldBeEmpty();
        Of(["char", "Sites"], [["none", "x"], ["char", "y"]]).ShouldBe(["Sites"]); // by its name
        Of(["crop"], [["beet"], ["dahlia"]]).ShouldBeEmpty(); // never all of them
        Of(["crop", "soil"], [["beet", "a"], ["dahlia", "b"]]).ShouldBeEmpty();
        TrialSettings.Compared(["char", "crop"], [["none", "beet"], ["char", "beet"], ["much", "dahlia"]], ["crop"]).ShouldBe(3);
        TrialSettings.Compared(["char", "crop"], [["none", "beet"], ["char", "beet"], ["much", "dahlia"]], []).ShouldBe(6);
    }

    [Fact]
    public void Counts_on_several_days_become_days_to_half_and_less_is_better()
    {
        var (day, t) = (new DateTimeOffset(2027, 4, 1, 0, 0, 0, TimeSpan.Zero), new LaidTreatment("tea", TrialRole.Treatment, ["tea"]));
        var trial = new LaidTrial {
            Design = Design.Random, Liquid = false, Factors = ["t"], WorthHaving = 1, Replicates = 1, ByLot = true, Blind = true,
            Treatments = [t], Plots = [new(1, 1, t, null, null)],
        };
        var up = new LaidMeasure(1, 0, "came up", "seeds", Scale.Count, false, 40, DatesTo.Half);
        DatedFigure On(int days, double n) => new(1, 1, day.AddDays(days), new PlotFigure(n));
        var half = TrialAsking.Of(trial, up, [On(0, 0), On(4, 10), On(8, 30)]);
        (half.Kind, half.LowerIsBetter, half.Rows[0].Value!.Value).ShouldBe((Scale.Amount, true, 5));
        var last = TrialAsking.Of(trial, up with { Dates = DatesTo.Last, LowerIsBetter = true }, [On(4, 10), On(8, 30)]);
        (last.Kind, last.LowerIsBetter, last.Rows[0].Value, last.Rows[0].OutOf).ShouldBe((Scale.Count, true, 30, 40));
        TrialAsking.Of(trial, up with { Dates = DatesTo.Mean }, [On(4, 10)]).Rows[0].Value.ShouldBe(10); // one date is itself
        TrialAsking.Of(trial, up with { Dates = DatesTo.Mean }, [On(0, 10), On(8, 30)]).Rows[0].Value.ShouldBe(20);
    }

    [Theory]
    [InlineData("yieldM2", UnitSystem.UsCustomary, "yieldFt2")]
    [InlineData("yieldM2", UnitSystem.Metric, "yieldM2")]
    [InlineData("brix", UnitSystem.UsCustomary, "brix")]
    public void A_measure_in_the_holdings_units(string id, UnitSystem units, string same) => MeasureKinds.Same(id, units).ShouldBe(same);

    [Fact]
    public void Of_which_measures_less_is_better()
    {
        MeasureKinds.All.Where(k => k.LowerIsBetter).Select(k => k.Id)
            .ShouldBe(["daysToUp", "firstLeaf", "flowering", "incidence", "severity",
            "pests", "stayed", "frost", "drought"]);
        MeasureKinds.Find("brix")!.Unit.ShouldBe("°Bx");
        MeasureKinds.Find("height of joy").ShouldBeNull();
    }
}
