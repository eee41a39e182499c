using MudPie.Core.Brewing;

namespace MudPie.Core.Tests.Brewing;

/// <summary>Counting from a drop.</summary>
public class MicroscopeTests
{
    private static MicroscopeQuestion Drop(params double[] counts) =>
        new() { Counts = counts, FieldNumberMm = 18, Objective = 40, CoverSlipMm2 = 324, DropMl = 0.05, Dilution = 1 };

    // 324 mm² ÷ (π/4 · 0.45²) ÷ 0.05 mL, worked by hand.
    private const double PerField = 40743.6654;

    [Fact]
    public void The_formula_of_the_drop()
    {
        var a = Microscope.Count(Drop([.. Enumerable.Repeat(8.0, 20)])).Value;
        a.PerMl.ShouldBe(8 * PerField, 1);
        Microscope.Count(Drop(4) with { Dilution = 10 }).Value.PerMl.ShouldBe(40 * PerField, 10);
    }

    [Theory]
    [InlineData(0, 0, 3.689)]
    [InlineData(1, 0.025, 5.572)]
    [InlineData(2, 0.242, 7.225)]
    [InlineData(3, 0.619, 8.767)]
    [InlineData(4, 1.09, 10.242)]
    [InlineData(5, 1.623, 11.668)]
    [InlineData(6, 2.202, 13.059)]
    [InlineData(7, 2.814, 14.423)]
    [InlineData(8, 3.454, 15.763)]
    [InlineData(9, 4.115, 17.085)]
    [InlineData(10, 4.795, 18.39)]
    [InlineData(12, 6.201, 20.962)]
    [InlineData(15, 8.395, 24.74)]
    [InlineData(20, 12.217, 30.888)]
    [InlineData(25, 16.179, 36.905)]
    [InlineData(30, 20.241, 42.827)]
    [InlineData(40, 28.577, 54.469)]
    [InlineData(50, 37.111, 65.919)]
    [InlineData(100, 81.364, 121.627)]
    public void The_interval_is_Garwoods_exact_one(double counted, double low, double high)
    {
        var a = Microscope.Count(Drop(counted)).Value;
        (a.Low95 / PerField).ShouldBe(low, 1e-3);
        (a.High95 / PerField).ShouldBe(high, 1e-3);
    }

    [Fact]
    public void Clumps_widen_it_to_the_fields_own_spread()
    {
        var even = Microscope.Count(Drop(5, 6, 4, 5, 5, 6, 4, 5)).Value;
        var clumped = Microscope.Count(Drop(0, 0, 20, 0, 0, 20, 0, 0)).Value;
        even.Clumped.ShouldBeFalse();
        clumped.Clumped.ShouldBeTrue();
        clumped.PerMl.ShouldBe(even.PerMl, 1e-6);
        // mean 5, s 9.2582, n 8, t 2.364624: 5 ± 7.7398
        (clumped.High95 / PerField).ShouldBe(5 + 7.7400, 1e-3);
        clumped.Low95.ShouldBe(0);
    }

    [Fact]
    public void Three_times_as_many_more_fields_halve_the_error_and_five_would_have_left_it_twice_as_wide()
    {
        var a = Microscope.Count(Drop([.. Enumerable.Repeat(9.0, 20)])).Value;
        a.MoreFieldsToHalve!.Value.ShouldBeInRange(55, 66);
        (a.WithFive!.Value / ((a.High95 - a.Low95) / 2)).ShouldBeInRange(1.9, 3.2);
        Microscope.Count(Drop(0, 0, 0)).Value.MoreFieldsToHalve.ShouldBeNull();
    }

    [Fact]
    public void Mass_and_the_ratio_hang_on_sizes_and_counts_only()
    {
        var field = new TallyField { Bacteria = 40, Hyphae = [new HyphaSeen { LengthUm = 100, WidthUm = 3 }], Flagellates = 1 };
        var q = new TallyQuestion {
            FieldNumberMm = 18, Objective = 40, CoverSlipMm2 = 324, DropMl = 0.05, BacteriaShare = 0.1,
            Fields = [.. Enumerable.Repeat(field, 20)]
        };
        var a = MicroscopeTally.Of(q).Value;
        a.BacteriaUgPerMl.ShouldBe(400 * PerField * 0.3 * 2.3e-7, 1e-3);
        a.FungalToBacterial!.Value.ShouldBe(706.8583 / 120, 1e-4); // 100 µm · π/4 · 9 ÷ (400 · 0.3 µm³)
        a.HyphaeMPerMl.ShouldBe(100e-6 * PerField, 1e-6);
        a.Groups.Select(g => g.Id).ShouldBe(["bacteria", "hyphae", "flagellates"]);
        var twice = MicroscopeTally.Of(q with { Dilution = 7, DropMl = 0.02 }).Value;
        twice.FungalToBacterial!.Value.ShouldBe(a.FungalToBacterial.Value, 1e-9);
    }

    [Fact]
    public void What_came_through_the_pump_is_a_share_with_its_interval()
    {
        var a = Microscope.CameThrough([.. Enumerable.Repeat(16.0, 10)], [.. Enumerable.Repeat(12.0, 10)]).Value;
        a.Share.ShouldBe(0.75);
        (a.Low95, a.High95).ShouldBe((0.5919, 0.9503), 1e-3);
        a.Sentence.ShouldContain("count more fields");
        var more = Microscope.CameThrough([6, 7, 5], [9, 8, 10]).Value;
        (more.Share, more.High95).ShouldBe((1, 1)); // none can come through that did not go in
        more.Sentence.ShouldNotContain("148");
        Microscope.CameThrough([100, 110, 90], [20, 25, 15]).Value.Sentence.ShouldContain("breaks them");
    }

    [Fact]
    public void Nonsense_is_refused_at_its_field()
    {
        Microscope.Count(Drop()).Refused!.Problems[0].Field.ShouldBe("counts");
        Microscope.Count(Drop(1, double.NaN)).Refused!.Problems[0].Field.ShouldBe("counts[1]");
        Microscope.Count(Drop(1) with { Objective = 1000, DropMl = null }).Refused!.Problems.Select(p => p.Field)
            .ShouldBe(["objective", "dropMl"]);
        MicroscopeTally.Of(new TallyQuestion {
            FieldNumberMm = 18, Objective = 40, CoverSlipMm2 = 324, DropMl = 0.05,
            Fields = [new TallyField { Hyphae = [new HyphaSeen { LengthUm = -1, WidthUm = 3 }] }]
        })
            .Refused!.Problems[0].Field.ShouldBe("fields[0].hyphae[0].lengthUm");
        Microscope.CameThrough([0, 0], [1]).Refused!.Problems[0].Field.ShouldBe("before");
    }
}

internal static class TupleChecks
{
    /// <summary>Both of a pair, within a tolerance.</summary>
    public static void ShouldBe(this (double A, double B) pair, (double A, double B) wanted, double tolerance)
    {
        pair.A.ShouldBe(wanted.A, tolerance);
        pair.B.ShouldBe(wanted.B, tolerance);
    }
}
