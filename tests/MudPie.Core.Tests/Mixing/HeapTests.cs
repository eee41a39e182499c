using FsCheck.Xunit;
using MudPie.Core.Measures;
using MudPie.Core.Mixing;

namespace MudPie.Core.Tests.Mixing;

/// <summary>A heap's recipe with its band, and its weeks.</summary>
public sealed class HeapTests
{
    private static readonly DateTimeOffset Built = new(2026, 4, 1, 8, 0, 0, TimeSpan.Zero);

    private static HeapAsked Asked(params (string Material, string Amount)[] of) =>
        new() { Name = "heap 1", Parts = [.. of.Select(o => new HeapPartAsked { MaterialId = o.Material, Amount = o.Amount })] };

    private static HeapBenchAnswer Bench(HeapAsked r, UnitSystem units = UnitSystem.Metric) => HeapBench.Of(r, Materials.All, units).Value;

    [Fact]
    public void The_one_that_is_left_empty_is_solved_and_its_band_told()
    {
        var a = Bench(Asked(("grass", "400 L"), ("straw", "")));
        a.Recipe.Cn.ShouldBe(30, 1e-9);
        a.Recipe.MissingKg!.Value.ShouldBe(57.6, 1e-9); // 120 kg of clippings
        a.MissingL!.Value.ShouldBe(720, 1e-9);
        // All the nitrogen is the clippings': a third less wants less straw, a third more wants more.
        a.MissingLowKg!.Value.ShouldBe(((30 * 26.4 * 0.02) - (26.4 * 0.42)) / (0.88 * (0.46 - 0.21)), 1e-9);
        a.MissingHighKg!.Value.ShouldBe(((30 * 26.4 * 0.04) - (26.4 * 0.42)) / (0.88 * (0.46 - 0.21)), 1e-9);
        a.CnLow.ShouldBeLessThan(30);
        a.CnHigh.ShouldBeGreaterThan(30);
        Bench(Asked(("grass", "120 kg"), ("straw", ""))).Recipe.MissingKg!.Value.ShouldBe(57.6, 1e-9);
        Bench(Asked(("grass", "264.55 lb"), ("straw", "")), UnitSystem.UsCustomary).Recipe.MissingKg!.Value.ShouldBe(57.6, 0.01);
    }

    [Fact]
    public void Grounds_are_held_to_a_fifth_of_the_heap_by_volume()
    {
        var many = Bench(Asked(("grounds", "500 L"), ("straw", "1000 L")));
        many.GroundsShare.ShouldBe(1 / 3.0, 1e-9);
        many.Verdict.Tone.ShouldBe(Tone.Stop);
        many.Verdict.Why.ShouldContain("300 L is the most");
        Bench(Asked(("grounds", "250 L"), ("straw", "900 L"), ("grass", "500 L"))).Verdict.Tone.ShouldNotBe(Tone.Stop);
    }

    [Fact]
    public void A_heap_too_lean_too_rich_too_wet_or_too_small_says_so()
    {
        Bench(Asked(("straw", "2000 L"))).Verdict.Sentence.ShouldContain("more greens");
        Bench(Asked(("grass", "2000 L"))).Verdict.Sentence.ShouldContain("more browns");
        Bench(Asked(("grass", "200 L"), ("straw", ""))).Verdict.Sentence.ShouldStartWith("Good, but small");
        var dry = Bench(Asked(("hen", "300 L"), ("straw", "2000 L")));
        dry.AddWaterL.ShouldBeGreaterThan(0);
        var (kg, water) = (dry.Kg, dry.Recipe.Moisture * dry.Kg);
        ((water + dry.AddWaterL) / (kg + dry.AddWaterL)).ShouldBe(HeapBench.AimWater, 1e-9);
        Bench(Asked(("seaweed", "1000 L"), ("chip", "700 L"))).Verdict.Sentence.ShouldContain("short of air");
    }

    [Theory]
    [InlineData("parts[0]")]
    [InlineData("parts[0].amount")]
    [InlineData("targetCn")]
    [InlineData("codeDays")]
    [InlineData("parts")]
    [InlineData("name")]
    public void What_can_not_be_read_is_named(string field)
    {
        var good = Asked(("grass", "400 L"), ("straw", ""));
        var bad = field switch {
            "parts[0]" => Asked(("stardust", "4 L")),
            "parts[0].amount" => Asked(("grass", "-4 L")),
            "targetCn" => good with { TargetCn = "3" },
            "codeDays" => good with { CodeDays = "many" },
            "name" => good with { Name = "" },
            _ => Asked(("grass", ""), ("straw", "")),
        };
        HeapBench.Of(bad, Materials.All, UnitSystem.Metric).Refused!.Problems.Select(p => p.Field)
            .ShouldContain(f => f == field || (field == "parts" && f == "parts"));
    }

    [Fact]
    public void A_table_of_ones_own_is_laid_over_the_houses()
    {
        var fields = new TypedFields(UnitSystem.Metric);
        var own = Materials.Own("grass", null, ("40", "4 %", "80", "0.35"), fields)!;
        var table = Materials.With([own, new Material("own-hops", "spent hops", 0.46, 0.03, 0.8, 0.3, 0.06)]);
        table.Single(m => m.Id == "grass").Nitrogen.ShouldBe(0.04, 1e-12);
        table.Count.ShouldBe(Materials.All.Count + 1);
        Materials.Own(null, "x", ("90", "20", "10", "0.3"), fields).ShouldBeNull();
        fields.Checks.Refusal.Problems[0].Field.ShouldBe("carbon");
    }

    private static HeapStands Stands(double nowDay, HeapCode? code, bool grounds, params (HeapStep Step, double Day, double? C)[] of) =>
        HeapCourse.Of([new(HeapStep.Layer, Built), .. of.Select(o => new HeapPoint(o.Step, Built.AddDays(o.Day), o.C))],
            code ?? HeapCode.Usual, grounds, Built.AddDays(nowDay), at => at).Value;

    [Fact]
    public void Days_above_55_are_counted_by_the_line_between_readings_and_not_over_gaps()
    {
        var s = Stands(10, null, false, (HeapStep.Warmth, 1, 50), (HeapStep.Warmth, 2, 60), (HeapStep.Warmth, 4, 60),
            (HeapStep.Warmth, 5, 50),
            (HeapStep.Warmth, 6, 60), (HeapStep.Warmth, 9.5, 60));
        s.HotDays.ShouldBe(0.5 + 2 + 0.5 + 0.5, 1e-9); // and nothing over the three and a half days after
        s.HotRow.ShouldBe(3, 1e-9);
        Stands(10, new(3, true, 0), false, (HeapStep.Warmth, 1, 50), (HeapStep.Warmth, 2, 60), (HeapStep.Warmth, 4, 60),
            (HeapStep.Warmth, 5, 50)).CodeMet.ShouldBeTrue();
        Stands(10, new(3.2, true, 0), false, (HeapStep.Warmth, 1, 50), (HeapStep.Warmth, 2, 60), (HeapStep.Warmth, 4, 60),
            (HeapStep.Warmth, 5, 50)).CodeMet.ShouldBeFalse();
    }

    [Fact]
    public void It_is_turned_after_three_days_hot_and_at_once_above_70()
    {
        var s = Stands(5, null, false, (HeapStep.Warmth, 1, 56), (HeapStep.Warmth, 3, 60), (HeapStep.Warmth, 5, 62));
        s.State.ShouldBe(HeapState.Hot);
        s.TurnOn.ShouldBe(Built.AddDays(4));
        s.Verdict.Sentence.ShouldBe("Turn it: 62 °C.");
        Stands(5, null, false, (HeapStep.Warmth, 1, 56), (HeapStep.Turned, 2, null), (HeapStep.Warmth, 3, 60),
            (HeapStep.Warmth, 4.9, 62)).TurnOn
            .ShouldBe(Built.AddDays(5));
        Stands(5, null, false, (HeapStep.Warmth, 5, 72)).Verdict.ShouldSatisfyAllConditions(v => v.Tone.ShouldBe(Tone.Stop),
            v => v.Sentence.ShouldBe("72 °C: turn it now."));
        Stands(5, null, false, (HeapStep.Turned, 1, null), (HeapStep.Warmth, 5, 60)).Turns.ShouldBe(0); // before it was hot
    }

    [Fact]
    public void It_cools_cures_and_with_grounds_in_it_lies_half_a_year()
    {
        Stands(12, null, false, (HeapStep.Warmth, 3, 60), (HeapStep.Warmth, 11, 45)).State.ShouldBe(HeapState.Cooling);
        var curing = Stands(30, null, false, (HeapStep.Warmth, 3, 60), (HeapStep.Warmth, 20, 30));
        curing.State.ShouldBe(HeapState.Curing);
        curing.CuredFrom.ShouldBe(Built.AddDays(3 + HeapCourse.CureDays));
        Stands(30, null, true, (HeapStep.Warmth, 3, 60), (HeapStep.Warmth, 20, 30))
            .CuredFrom.ShouldBe(Built.AddDays(HeapCourse.GroundsDays));
        Stands(60, null, false, (HeapStep.Warmth, 3, 60), (HeapStep.Warmth, 20, 30)).Verdict.Sentence.ShouldStartWith("It may be cured");
        Stands(60, null, false, (HeapStep.Warmth, 3, 60), (HeapStep.Cured, 55, null)).State.ShouldBe(HeapState.Cured);
        Stands(61, null, false, (HeapStep.Sieved, 60, null)).State.ShouldBe(HeapState.Done);
        Stands(3, null, false).Verdict.Sentence.ShouldStartWith("Measure its core");
        Stands(3, null, false, (HeapStep.Warmth, 3, 30)).Verdict.Tone.ShouldBe(Tone.Mind);
    }

    [Property(MaxTest = 150)]
    public void Hot_days_are_never_more_than_have_gone_by_and_a_row_never_more_than_all(int seed)
    {
        var r = new Random(seed);
        var day = 0.0;
        var s = Stands(60, null, false, [.. Enumerable.Range(0, 25)
            .Select(_ => (HeapStep.Warmth, day += r.NextDouble() * 4, (double?)(20 + (r.NextDouble() * 55))))]);
        s.HotDays.ShouldBeInRange(0, day + 1e-9);
        s.HotRow.ShouldBeLessThanOrEqualTo(s.HotDays + 1e-9);
    }

    [Fact]
    public void Steps_want_what_belongs_to_them()
    {
        var hot = Stands(5, null, false, (HeapStep.Warmth, 5, 62));
        HeapDeeds.Do(new(HeapStep.Warmth, "61", null, null), hot, UnitSystem.Metric, Built).Value.Celsius.ShouldBe(61);
        HeapDeeds.Do(new(HeapStep.Warmth, "142", null, null), hot, UnitSystem.UsCustomary, Built).Value.Celsius!.Value.ShouldBe(61.1, 0.1);
        HeapDeeds.Do(new(HeapStep.Warmth, "200 °C", null, null), hot, UnitSystem.Metric, Built)
            .Refused!.Problems[0].Field.ShouldBe("warmth");
        HeapDeeds.Do(new(HeapStep.Cured, null, null, "smells good"), hot, UnitSystem.Metric, Built).Refused!.Problems[0].Wrong
            .ShouldBe("Its core was 62 °C.");
        HeapDeeds.Do(new(HeapStep.Sieved, null, null, null), hot, UnitSystem.Metric, Built).Refused!.Problems.Select(p => p.Field)
            .ShouldBe(["amount", "note"]);
        HeapDeeds.Do(new(HeapStep.Seen, null, null, " "), hot, UnitSystem.Metric, Built).Refused!.Problems[0].Field.ShouldBe("note");
        HeapDeeds.Do(new(null, null, null, null), hot, UnitSystem.Metric, Built).Refused!.Problems[0].Field.ShouldBe("step");
        var cured = Stands(60, null, false, (HeapStep.Cured, 55, null));
        HeapDeeds.Do(new(HeapStep.Sieved, null, "600 L", null), cured, UnitSystem.Metric, Built).Value.Litres.ShouldBe(600);
        HeapDeeds.Do(new(HeapStep.Turned, null, null, null), Stands(61, null, false, (HeapStep.Sieved, 60, null)), UnitSystem.Metric, Built)
            .Refused!.Problems[0].Wrong.ShouldBe("This heap is taken up.");
    }
}
