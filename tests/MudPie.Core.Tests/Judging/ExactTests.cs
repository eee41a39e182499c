using System.Text.Json;
using MudPie.Core.Judging.Statistics;

namespace MudPie.Core.Tests.Judging;

/// <summary>Intervals of small counts against R (Reference/looking-cases.R).</summary>
public class ExactTests
{
    private static readonly JsonElement R = JsonDocument.Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Reference",
        "looking-cases.json"))).RootElement;

    private static double D(JsonElement c, string name) =>
        c.GetProperty(name) is { ValueKind: JsonValueKind.Number } n ? n.GetDouble() : double.PositiveInfinity;

    private static int I(JsonElement c, string name) => c.GetProperty(name).GetInt32();

    private static double[] A(JsonElement c, string name) => [.. c.GetProperty(name).EnumerateArray().Select(x => x.GetDouble())];

    private static void Same(Between ours, JsonElement c, double within = 1e-6)
    {
        foreach (var (mine, theirs) in new[] { (ours.Lower, D(c, "lower")), (ours.Upper, D(c, "upper")) })
        {
            (double.IsInfinity(mine) == double.IsInfinity(theirs)).ShouldBeTrue(c.ToString());
            if (double.IsFinite(theirs))
            {
                mine.ShouldBe(theirs, within * Math.Max(1, Math.Abs(theirs)), c.ToString());
            }
        }
    }

    [Fact]
    public void Shares_and_rates_are_those_of_R()
    {
        foreach (var c in R.GetProperty("shares").EnumerateArray())
        {
            Same(Exact.Share(I(c, "some"), I(c, "all")), c);
        }

        foreach (var c in R.GetProperty("rates").EnumerateArray())
        {
            Same(Exact.Rate(D(c, "count"), D(c, "units")), c);
        }
    }

    [Fact]
    public void Ratios_of_counts_are_those_of_R_even_where_one_is_nought()
    {
        foreach (var c in R.GetProperty("ratios").EnumerateArray())
        {
            Same(Exact.RateRatio(I(c, "after"), D(c, "unitsAfter"), I(c, "before"), D(c, "unitsBefore")), c);
        }

        Exact.RateRatio(0, 1, 0, 1).Value.ShouldBe(double.NaN);
        Exact.RateRatio(0, 1, 0, 1).Upper.ShouldBe(double.PositiveInfinity);
    }

    [Fact]
    public void Repeats_that_stray_widen_the_interval_as_R_does()
    {
        foreach (var c in R.GetProperty("overdispersed").EnumerateArray())
        {
            var (ratio, phi) = Exact.Overdispersed([.. A(c, "after").Select(x => (int)x)], [.. A(c, "before").Select(x => (int)x)]);
            ratio.Value.ShouldBe(D(c, "ratio"), 1e-6);
            phi.ShouldBe(D(c, "dispersion"), 2e-4, "R stops its fit a little short");
            Same(ratio, c, 2e-4);
        }

        Exact.Overdispersed([0, 0], [3, 4]).Ratio.Value.ShouldBe(0);
        double.IsFinite(Exact.Overdispersed([5], [3]).Ratio.Upper).ShouldBeTrue();
    }

    [Fact]
    public void Middles_keep_their_interval_without_a_shape()
    {
        foreach (var c in R.GetProperty("medians").EnumerateArray())
        {
            var (middle, bounded) = Exact.Median(A(c, "x"));
            middle.Value.ShouldBe(D(c, "middle"), 1e-9);
            bounded.ShouldBe(c.GetProperty("bounded").GetBoolean(), c.ToString());
            Same(middle, c);
        }
    }

    [Fact]
    public void Differences_of_pushes_are_those_of_R()
    {
        foreach (var c in R.GetProperty("welch").EnumerateArray())
        {
            Same(Exact.Difference(A(c, "after"), A(c, "before"))!, c);
        }

        Exact.Difference([1], [2, 3]).ShouldBeNull();
        Exact.Difference([2, 2], [3, 3]).ShouldBeNull("without any spread nothing bounds it");
    }
}
