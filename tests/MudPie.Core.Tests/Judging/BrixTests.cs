using System.Globalization;
using FsCheck.Xunit;
using MudPie.Core.Judging;

namespace MudPie.Core.Tests.Judging;

/// <summary>Brix by the international table, and what a difference is worth.</summary>
public class BrixTests
{
    [Fact]
    public void Agrees_with_the_international_table_on_its_grid()
    {
        foreach (var line in File.ReadLines(Path.Combine(AppContext.BaseDirectory, "Reference", "brix-temperature-correction.csv")).Skip(1))
        {
            var cells = line.Split(',').Select(c => double.Parse(c, CultureInfo.InvariantCulture)).ToArray();
            for (var i = 0; i < 7; i++)
            {
                // no sap holds less than nothing
                BrixCorrection.To20(i * 5, cells[0]).Value.Value.ShouldBe(Math.Max((i * 5) + cells[i + 1], 0), 0.005, line);
            }
        }
    }

    [Fact]
    public void Between_grid_points_it_goes_straight() =>
        BrixCorrection.To20(7.5, 25.5).Value.Value.ShouldBe(7.5 + ((0.35 + 0.36 + 0.42 + 0.43) / 4), 1e-9);

    [Theory]
    [InlineData(400.0, 20.0, "brix")]
    [InlineData(-1.0, 20.0, "brix")]
    [InlineData(double.NaN, 20.0, "brix")]
    [InlineData(8.0, 9.0, "temperatureC")]
    [InlineData(8.0, 31.0, "temperatureC")]
    public void Outside_the_table_nothing_is_said(double brix, double t, string field) =>
        BrixCorrection.To20(brix, t).Refused!.Problems.ShouldHaveSingleItem().Field.ShouldBe(field);

    private static BrixSet Set(params double[] values) => new(values, LeafPosition.Top, 15, Sky.Clear);

    [Fact]
    public void A_difference_agrees_with_Welch_by_hand()
    {
        // R: t.test(c(9.9,10.3,10.1), c(8.8,9.0,9.2)) gives 1.1, 95 % from 0.6466 to 1.5534, df 4.
        var d = BrixReadings.Compare(Set(8.8, 9.0, 9.2), Set(9.9, 10.3, 10.1)).Value;
        d.Difference.ShouldBe(1.1, 1e-9);
        d.Low95!.Value.ShouldBe(1.1 - (2.776445 * Math.Sqrt(2 * 0.04 / 3)), 1e-5);
        d.InsideNoise.ShouldBe(false);
        d.Sentence.ShouldContain("more than the noise");
        d.Caveats.ShouldContain(c => c.Contains("untreated strip"));
    }

    [Fact]
    public void A_small_rise_among_scattered_leaves_is_inside_the_noise() =>
        BrixReadings.Compare(Set(8.1, 9.3, 8.8),
            Set(8.9, 9.5, 9.0)).Value.Sentence.ShouldBe("+0.4 °Bx, give or take 1.2: inside the noise. You can't tell.");

    [Fact]
    public void One_squeeze_is_noise()
    {
        var d = BrixReadings.Compare(Set(8.1), Set(9.9, 10.1)).Value;
        d.Low95.ShouldBeNull();
        d.InsideNoise.ShouldBeNull();
        d.Sentence.ShouldContain("one squeeze is noise");
    }

    [Fact]
    public void Readings_that_all_agree_still_carry_the_grain_of_the_meter()
    {
        var value = BrixReadings.Value([9, 9, 9]);
        (value.High95 - value.Low95)!.Value.ShouldBeGreaterThan(0.1);
    }

    [Fact]
    public void Other_leaves_another_hour_and_another_sky_are_said()
    {
        var caveats = BrixReadings.Compare(Set(8, 9), new BrixSet([9, 10], LeafPosition.Bottom, 8, Sky.Dull)).Value.Caveats;
        caveats.Count.ShouldBe(4);
    }

    [Property(MaxTest = 100)]
    public void Turning_before_and_after_round_turns_the_sign_and_nothing_else(byte[] a, byte[] b)
    {
        var before = Set([.. a.Select(x => x / 10.0), 8.1, 8.4]);
        var after = Set([.. b.Select(x => x / 10.0), 9.0, 9.7]);
        var (one, other) = (BrixReadings.Compare(before, after).Value, BrixReadings.Compare(after, before).Value);
        other.Difference.ShouldBe(-one.Difference, 1e-9);
        other.Low95!.Value.ShouldBe(-one.High95!.Value, 1e-9);
        other.InsideNoise.ShouldBe(one.InsideNoise);
    }
}
