using MudPie.Core.Judging.Statistics;
using MudPie.Core.Judging.Trials;

namespace MudPie.Core.Tests.Judging;

/// <summary>Parts of one whole plot stray less than whole plots do: each pair is judged by the noise that it carries.</summary>
public class SplitPlotTests
{
    private static readonly string[] Wholes = ["none", "char"];
    internal static readonly string[] Parts = ["bare", "tea", "kelp"];

    /// <summary>Blocks of two whole plots of three parts each.</summary>
    /// <param name="blocks">How many.</param>
    /// <param name="tau">Standard deviation of whole plots.</param>
    /// <param name="sigma">Standard deviation of their parts.</param>
    /// <param name="seed">Of the draw.</param>
    internal static List<TrialRow> Field(int blocks, double tau, double sigma, int seed)
    {
        var random = new Random(seed);
        double Normal() => MathNet.Numerics.Distributions.Normal.InvCDF(0, 1, Math.Clamp(random.NextDouble(), 1e-12, 1 - 1e-12));
        return
        [
            .. Enumerable.Range(1, blocks).SelectMany(b => Wholes.SelectMany(w =>
            {
                var lies = tau * Normal();
                return Parts.Select((p, i) => new TrialRow { Plot = $"{b}{w}{p}", Levels = [w, p], Block = $"{b}", WholePlot = w,
                    Value = 10 + b + lies + (0.5 * i) + (sigma * Normal()) });
            })),
        ];
    }

    internal static TrialQuestion Asked(List<TrialRow> rows) =>
        new() { Design = Design.SplitPlot, Factors = ["char", "brew"], Rows = rows, Control = "none, bare", WorthHaving = 0.2 };

    [Fact]
    public void Parts_of_one_whole_plot_take_the_noise_of_parts_and_pairs_across_take_both()
    {
        var a = TrialAnalysis.Of(Asked(Field(4, 1.2, 0.08, 3))).Value;
        var (msA, msB) = (a.Anova.Single(l => l.Term == "Residuals (whole plots)"), a.Anova[^1]);
        (msA.Df, msB.Df).ShouldBe((3, 12));
        double Se(TrialComparison c) => c.Difference / c.T!.Value;
        foreach (var c in a.Tukey.Where(c => c.Term == "char:brew"))
        {
            var inside = c.Of.Split(", ")[0] == c.Against.Split(", ")[0];
            // Gomez and Gomez 1984, standard errors of split plots: 4 blocks, 3 parts.
            Se(c).ShouldBe(Math.Sqrt(inside ? 2 * msB.Ms!.Value / 4 : 2 * (msA.Ms!.Value + (2 * msB.Ms!.Value)) / 12), 1e-9);
            var both = msA.Ms!.Value + (2 * msB.Ms!.Value);
            c.Df!.Value.ShouldBe(inside ? 12 : both * both / ((msA.Ms.Value * msA.Ms.Value / 3) + (Math.Pow(2 * msB.Ms.Value, 2) / 12)),
                1e-5);
        }

        // One page, one answer: what the table finds beyond doubt the verdicts find too.
        a.Anova.Single(l => l.Term == "brew").P!.Value.ShouldBeLessThan(0.0001);
        a.Verdicts.Single(v => v.Of == "none, tea").Word.ShouldBe(Finding.Works);
        a.Verdicts.Single(v => v.Of == "char, bare").Word.ShouldBe(Finding.CannotTell);
        a.Verdicts.Single(v => v.Of == "char, bare").MorePerTreatment!.Value.ShouldBeGreaterThan(50);
        a.Verdicts.Where(v => v.Of.StartsWith("none", StringComparison.Ordinal)).ShouldAllBe(v => v.MorePerTreatment == null);
    }

    [Fact]
    public void Without_noise_of_whole_plots_both_are_one()
    {
        // Whole plots that stray exactly as much as their parts say: across and within come to one standard error.
        var rows = Field(4, 0, 0.3, 5);
        var a = TrialAnalysis.Of(Asked(rows)).Value;
        var (msA, msB) = (a.Anova.Single(l => l.Term == "Residuals (whole plots)").Ms!.Value, a.Anova[^1].Ms!.Value);
        var across = a.Tukey.Single(c => c.Pair == "char, bare-none, bare" || c.Pair == "none, bare-char, bare");
        (across.Difference / across.T!.Value / Math.Sqrt(msB / 2)).ShouldBe(Math.Sqrt((msA + (2 * msB)) / (3 * msB)), 1e-9);
    }

    [Fact]
    public void A_missing_part_is_still_compared_within_its_whole_plots_alone()
    {
        var rows = Field(4, 1.2, 0.08, 3);
        var without = rows.Select(r => r.Plot == "2nonetea" ? r with { Value = null, Why = "trodden on" } : r).ToList();
        var a = TrialAnalysis.Of(Asked(without)).Value;
        var c = a.Dunnett.Single(x => x.Of == "none, tea");
        // Three whole plots hold both; the difference is the mean of their own, whatever the whole plots do.
        var apart = new[] { "1", "3", "4" }.Select(b => rows.Single(r => r.Plot == $"{b}nonetea").Value!.Value
            - rows.Single(r => r.Plot == $"{b}nonebare").Value!.Value).Average();
        var shifted =
            TrialAnalysis.Of(
                Asked([.. without.Select(r => r.Plot.StartsWith("2none", StringComparison.Ordinal) && r.Value is { } v
                    ? r with { Value = v + 40 } : r)])).Value.Dunnett.Single(x => x.Of == "none, tea");
        c.Df!.Value.ShouldBe(11);
        Math.Abs(c.Difference - apart).ShouldBeLessThan(0.15);
        shifted.Difference.ShouldBe(c.Difference, 1e-9);
        // how far others stray with it sways the critical t a little
        (shifted.Upper!.Value - shifted.Lower!.Value).ShouldBe(c.Upper!.Value - c.Lower!.Value, 0.005);
    }

    [Fact]
    public void One_whole_plot_of_each_tells_what_lay_within_and_nothing_across()
    {
        // Two whole plots of each block, but blocks are not named: two whole plots in all, three parts of each twice.
        var rows = Field(2, 1, 0.1, 11).Select((r, i) => r with { Block = null, WholePlot = r.Levels[0], Plot = $"p{i}" }).ToList();
        var answer = TrialAnalysis.Of(Asked(rows));
        answer.Refused.ShouldBeNull();
        var a = answer.Value;
        a.Dunnett.Where(c => c.Of.StartsWith("none", StringComparison.Ordinal)).ShouldAllBe(c => c.Lower != null);
        a.Dunnett.Where(c => c.Of.StartsWith("char", StringComparison.Ordinal)).ShouldAllBe(c => c.Lower == null);
        a.Verdicts.Where(v => v.Of.StartsWith("char", StringComparison.Ordinal)).ShouldAllBe(v => v.Word == Finding.CannotTell);
    }

    [Fact]
    public void What_each_row_counts_for_gives_the_estimate()
    {
        var y = new double[] { 3, 5, 4, 9, 8, 1 };
        var model = new TermModel([new([Factor.From("t", ["a", "b", "a", "b", "c", "c"])])], y);
        double[] l = [.. model.MeanAt(_ => 1).Zip(model.MeanAt(_ => 0), (b, a) => b - a)];
        var w = model.Weights(l)!;
        double[] rows = [.. Enumerable.Range(0, y.Length).Select(r => w.Select((x, k) => x * model.Q[k][r]).Sum())];
        LinearModel.Dot(rows, y).ShouldBe(7 - 3.5, 1e-12); // the mean of b less the mean of a
        LinearModel.Dot(rows, rows).ShouldBe(model.Of(l)!.Value.VarianceShare, 1e-12);
    }

    [Fact]
    public void Blocks_swept_out_by_their_means_give_what_a_column_for_each_gives()
    {
        var block = Factor.From("block", ["1", "1", "1", "2", "2", "3", "3", "3", "4"]); // a plot is missing here and there
        var t = Factor.From("t", ["a", "b", "c", "a", "c", "a", "b", "c", "b"]);
        double[] y = [3, 5, 4, 9, 8, 1, 2, 7, 6];
        var (columns, swept) = (new Term([block]), new Term([t]));
        var (plain, quick) = (new TermModel([columns, swept], y), new TermModel([columns, swept], y, columns));
        (quick.Rss, quick.Df).ShouldBe((plain.Rss, plain.Df), new Close());
        foreach (var level in new[] { 0, 1, 2 })
        {
            var (a, b) = (plain.Of(plain.MeanAt(f => f == t ? level : null))!.Value,
                quick.Of(quick.MeanAt(f => f == t ? level : null))!.Value);
            (b.Estimate - a.Estimate).ShouldBe(0, 1e-12);
            (b.VarianceShare - a.VarianceShare).ShouldBe(0, 1e-12);
        }

        Enumerable.Range(0, y.Length).ShouldAllBe(i => Math.Abs(plain.Residuals[i] - quick.Residuals[i]) < 1e-12
            && (double.IsNaN(plain.Studentized(i)) ? double.IsNaN(quick.Studentized(i))
                : Math.Abs(plain.Studentized(i) - quick.Studentized(i)) < 1e-9));
        quick.Table().Zip(plain.Table()).ShouldAllBe(p => p.First.Df == p.Second.Df && Math.Abs(p.First.Ss - p.Second.Ss) < 1e-10);
        var means = quick.SweptMeans();
        Enumerable.Range(0, 4)
            .ShouldAllBe(g => Math.Abs(means[g] - plain.Of(plain.MeanAt(f => f == block ? g : null))!.Value.Estimate) < 1e-12);
    }

    private sealed class Close : IEqualityComparer<(double, int)>
    {
        public bool Equals((double, int) x, (double, int) y) => x.Item2 == y.Item2 && Math.Abs(x.Item1 - y.Item1) < 1e-10;

        public int GetHashCode((double, int) obj) => obj.Item2;
    }
}
