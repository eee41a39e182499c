using FsCheck.Xunit;
using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Core.Workings;
using MudPie.Core.Works;

namespace MudPie.Core.Tests.Works;

/// <summary>A burn from the permit to the last can, and what else a pile of wood could be.</summary>
public sealed class BurnTests
{
    private static readonly DateTimeOffset Lit = new(2026, 11, 1, 15, 0, 0, TimeSpan.Zero);

    private static readonly BurnAsked Asked =
        new() { Name = "burn 1", Depth = "60 cm", Top = "1.5 m", Wood = "hedge brash", Amount = "2 m3" };

    private static readonly BurnPlan Plan = BurnBench.Of(Asked, UnitSystem.Metric).Value.Plan;

    private static WorkPoint At(double hours, WorkStep step) => new(step, Lit.AddHours(hours));

    private static BurnStands Stands(double hours, params WorkPoint[] points) => BurnCourse.Of(Plan, points, Lit.AddHours(hours), t => t);

    private static Ruling<WorkStepDone> Do(WorkStepAsked did, BurnStands s) => BurnDeeds.Do(did, Plan, s, UnitSystem.Metric, Lit);

    private static WorkPoint[] Quenched => [At(0, WorkStep.Lit), At(2, WorkStep.Quenched) with { Litres = 380 }];

    private static WorkPoint Felt(double hours, Heat heat) => At(hours, WorkStep.Felt) with { Heat = heat };

    [Fact]
    public void A_cone_holds_a_third_of_its_cylinder()
    {
        Plan.PitL.ShouldBe(353.43, 0.01);
        BurnBench.PitL(0.6, 1.5, 1.5).ShouldBe(Math.PI * 0.6 * 0.75 * 0.75 * 1000, 1e-9); // a cylinder
        BurnBench.PitL(1, 2, 1).ShouldBe(Math.PI * 1 * (1 + 0.5 + 0.25) / 3 * 1000, 1e-9); // a frustum
        var a = BurnBench.Of(Asked, UnitSystem.Metric).Value;
        (a.LowL, a.HighL).ShouldBe((300, 600));
        a.Verdict.Sentence.ShouldContain("times"); // 440 L into 353 L
        BurnBench.Of(Asked with { Amount = "200 kg" }, UnitSystem.Metric).Value.LowL.ShouldBe(200 * 0.12 / 0.25, 1e-9);
    }

    [Theory]
    [InlineData("painted boards")]
    [InlineData("old pallets")]
    [InlineData("Plywood ends")]
    [InlineData("treated fence posts")]
    public void Wood_that_is_not_clean_is_refused(string wood) =>
        BurnBench.Of(Asked with { Wood = wood }, UnitSystem.Metric).Refused!.Problems[0].Field.ShouldBe("wood");

    [Fact]
    public void What_is_typed_wrong_is_named()
    {
        BurnBench.Of(Asked with { Wood = "untreated pallets" }, UnitSystem.Metric).Refused.ShouldBeNull();
        BurnBench.Of(new() { Name = "", Depth = "x", Top = "-1 m", Foot = "3 m", Wood = "", Amount = "∞", MadeAt = "hot" },
            UnitSystem.Metric)
            .Refused!.Problems.Select(p => p.Field).Distinct()
            .ShouldBe(["name", "wood", "depth", "top", "foot", "amount", "madeAt"], ignoreOrder: true);
    }

    [Fact]
    public void It_is_lit_with_a_permit_water_and_no_wind()
    {
        var planned = Stands(0);
        planned.State.ShouldBe(BurnState.Planned);
        planned.Caution.ShouldBe(BurnCautions.BeforeLighting);
        Do(new() { Step = WorkStep.Lit }, planned).Refused!.Problems.Select(p => p.Field).ShouldBe(["permit", "water", "wind"]);
        WorkStepAsked ready = new() { Step = WorkStep.Lit, Permit = true, Water = true, Wind = "2" };
        Do(ready, planned).Refused.ShouldBeNull();
        Do(ready with { Wind = "10 km/h" }, planned).Refused.ShouldBeNull();
        Do(ready with { Wind = "30 km/h" }, planned).Refused!.Problems[0].Wrong.ShouldContain("too much wind");
        Do(ready with { Wind = "-3" }, planned).Refused.ShouldNotBeNull();
        Do(ready with { Wind = "NaN" }, planned).Refused.ShouldNotBeNull();
        Do(new() { Step = WorkStep.Quenched, Amount = "300 L" }, planned).Refused!.Problems[0].Field.ShouldBe("step");
    }

    [Fact]
    public void It_is_felt_after_an_hour_and_after_a_night()
    {
        Stands(1, At(0, WorkStep.Lit)).State.ShouldBe(BurnState.Burning);
        var s = Stands(2.5, Quenched);
        (s.State, s.FeelAt, s.Hours, s.WaterL).ShouldBe((BurnState.Watched, Lit.AddHours(3), 2, 380));
        Stands(3.2, Quenched).Due!.Urgency.ShouldBe(0);
        var hour = Stands(4, [.. Quenched, Felt(3.1, Heat.Cold)]);
        (hour.State, hour.FeelAt).ShouldBe((BurnState.Watched, Lit.AddHours(12)));
        // Warm: doused again, and both clocks begin anew.
        var warm = Stands(4, [.. Quenched, Felt(3.1, Heat.Warm)]);
        (warm.FeelAt, warm.Verdict.Tone).ShouldBe((Lit.AddHours(4), Tone.Mind));
        Stands(4, [.. Quenched, Felt(3.1, Heat.Glowing)]).Verdict.Tone.ShouldBe(Tone.Stop);
        Stands(5, [.. Quenched, Felt(3.1, Heat.Warm), At(4.5, WorkStep.DugOver)]).FeelAt.ShouldBe(Lit.AddHours(5.5));
        var night = Stands(13, [.. Quenched, Felt(3.1, Heat.Cold), Felt(12.5, Heat.Cold)]);
        night.State.ShouldBe(BurnState.Cold);
        Stands(13, [.. Quenched, Felt(12.5, Heat.Cold), Felt(12.8, Heat.Warm)]).State.ShouldBe(BurnState.Watched);
        // Wood laid on after the quenching: it burns again.
        Stands(5, [.. Quenched, At(4, WorkStep.Fuelled)]).State.ShouldBe(BurnState.Burning);
    }

    [Fact]
    public void It_is_measured_once_it_is_cold_or_with_a_reason()
    {
        var watched = Stands(4, [.. Quenched, Felt(3.1, Heat.Cold)]);
        Do(new() { Step = WorkStep.Measured, Amount = "400 L" }, watched).Refused!.Problems[0].Field.ShouldBe("note");
        Do(new() { Step = WorkStep.Measured, Amount = "400 L", Note = "rain is coming" }, watched).Refused.ShouldBeNull();
        var cold = Stands(13, [.. Quenched, Felt(12.5, Heat.Cold)]);
        var done = Do(new() { Step = WorkStep.Measured, Amount = "400 L", Density = "0.2" }, cold).Value;
        (done.Yields!.Litres, done.Yields.Kind, done.Yields.DryKgPerL).ShouldBe((400, "char", 0.2));
        Do(new() { Step = WorkStep.Measured, Amount = "3 m3" }, cold)
            .Refused!.Problems[0].Wrong.ShouldContain("more char than there was wood");
        var over = Stands(20, [.. Quenched, At(14, WorkStep.Measured) with { Litres = 400 },
            At(15, WorkStep.Carried) with { Litres = 300 }]);
        (over.State, over.LeftL).ShouldBe((BurnState.Done, 100));
        Do(new() { Step = WorkStep.Carried, Amount = "150 L", What = "heap 2" }, over).Refused!.Problems[0].Field.ShouldBe("amount");
        Do(new() { Step = WorkStep.Carried, Amount = "50 L" }, over).Refused!.Problems[0].Field.ShouldBe("what");
        Do(new() { Step = WorkStep.Carried, Amount = "50 L", What = "heap 2" }, over).Value.TakesL.ShouldBe(50, 1e-9);
    }

    [Fact]
    public void Carbon_is_an_estimate_with_its_range()
    {
        var y = CharMade.Of(400, 0.2, Plan).Value;
        y.DryKg.ShouldBe(80, 1e-9);
        y.YieldShare.ShouldBe(0.2, 1e-9);
        y.Co2Kg.ShouldBe(80 * 0.78 * 0.80 * 44 / 12, 1e-9);
        y.Co2Low.ShouldBe(80 * 0.70 * 0.65 * 44 / 12, 1e-9);
        y.Co2High.ShouldBe(80 * 0.85 * 0.89 * 44 / 12, 1e-9);
        var guessed = CharMade.Of(400, null, Plan).Value;
        (guessed.DryLow, guessed.DryKg, guessed.DryHigh).ShouldBe((60, 80, 100));
        guessed.Co2Low.ShouldBeLessThan(y.Co2Low);
        // The rule is that of the open calculator.
        y.Co2Kg.ShouldBe(CharCarbon.Of(new() { DryKg = 80, CarbonShare = 0.78, MadeAt = "450-600" }).Value.KgCo2After100Years, 1e-9);
    }

    [Property]
    public bool The_range_holds_the_estimate(byte litres, byte dense)
    {
        var y = CharMade.Of(1 + litres, dense < 50 ? null : dense / 400.0, Plan).Value;
        return y.Co2Low <= y.Co2Kg && y.Co2Kg <= y.Co2High && y.DryLow <= y.DryKg && y.DryKg <= y.DryHigh;
    }

    [Fact]
    public void A_pile_three_ways()
    {
        var a = BrashWays.Of(new() { Amount = "2 m3" }, Materials.All, UnitSystem.Metric).Value;
        a.DryKg.ShouldBe(220, 1e-9);
        a.CarbonKg.ShouldBe(105.6, 1e-9);
        a.Ways.Select(w => w.Way).ShouldBe(["char", "heap", "mulch"]);
        a.Ways[0].Co2Kg.ShouldBe(44 * 0.78 * 0.8 * 44 / 12, 1e-9);
        a.Ways[2].Gives.ShouldStartWith("40 m²");
        a.Ways[0].CarbonShare.ShouldBeGreaterThan(a.Ways[1].CarbonShare);
        BrashWays.Of(new() { Amount = "400 kg" }, Materials.All, UnitSystem.Metric).Value.DryKg.ShouldBe(220, 1e-9);
        BrashWays.Of(new() { Amount = "2 m3", MaterialId = "grass" }, Materials.All, UnitSystem.Metric).Refused!.Problems[0].Field
            .ShouldBe("materialId");
        BrashWays.Of(new() { Amount = "-2 m3" }, Materials.All, UnitSystem.Metric).Refused!.Problems[0].Field.ShouldBe("amount");
    }
}
