using MudPie.Core.Judging;
using MudPie.Core.Judging.Statistics;
using MudPie.Core.Judging.Trials;
using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.Judging;

/// <summary>Brix before and after, patches that can't be told, and a trial's chances: as a grower reads them.</summary>
public sealed class JudgeSaidTests
{
    private static BrixSet At(double hour, Sky sky, params double[] brix) => new(brix, LeafPosition.Top, hour, sky);

    private static IEnumerable<string> Caveats(double before, double after, Sky sky = Sky.Clear, Sky then = Sky.Clear) =>
        BrixReadings.Compare(At(before, sky, 8, 9), At(after, then, 9, 10)).Value.Caveats.SkipLast(1);

    [Fact]
    public void Hours_and_skies_that_differ_are_said()
    {
        Caveats(9, 10.5).ShouldBeEmpty();
        Caveats(9, 10.6).ShouldBe(["The hours differ by 1 h 36 min: brix rises through the day and falls at night."]);
        Caveats(9, 7.4).ShouldHaveSingleItem().ShouldContain("differ by 1 h 36 min");
        Caveats(23.5, 0.5).ShouldBeEmpty(); // an hour over midnight
        Caveats(22.5, 0.5).ShouldHaveSingleItem().ShouldContain("differ by 2 h:");
        Caveats(9, 9, Sky.Clear, Sky.Dull).ShouldBe(["The sky differed: clear before, dull after."]);
        Caveats(9, 9, Sky.Unknown, Sky.Dull).ShouldBeEmpty();
        Caveats(9, 9, Sky.Clear, Sky.Unknown).ShouldBeEmpty();
        Caveats(9, 9, Sky.Dull, Sky.Dull).ShouldBeEmpty();
    }

    [Fact]
    public void It_rose_or_fell_or_lies_inside_the_noise()
    {
        string Says(double[] before, double[] after) =>
            BrixReadings.Compare(At(9, Sky.Clear, before), At(9, Sky.Clear, after)).Value.Sentence;
        Says([8, 8.2, 8.1], [10, 10.2, 10.1]).ShouldBe("+2.0 °Bx, give or take 0.2: more than the noise. It rose; whether the brew "
            + "did it takes an untreated strip.");
        Says([10, 10.2, 10.1], [8, 8.2, 8.1]).ShouldStartWith("−2.0 °Bx, give or take 0.2: more than the noise. It fell;");
        Says([8, 9, 10], [8, 9, 10]).ShouldStartWith("+0.0 °Bx, give or take ");
        Says([8, 9, 10], [8, 9, 10]).ShouldEndWith(": inside the noise. You can't tell.");
        BrixReadings.Value([]).ShouldBe(new BrixValue(0, 0, null, null));
        BrixReadings.Value([9]).Low95.ShouldBeNull();
        BrixReadings.Value([9, 10]).Low95.ShouldNotBeNull();
    }

    [Fact]
    public void Plant_by_plant_two_plants_are_enough_for_an_interval()
    {
        BrixDifference Plants(double[] bottom, double[] top) =>
            BrixReadings.ComparePlants(At(9, Sky.Clear, bottom), At(9, Sky.Clear, top)).Value;
        var two = Plants([8, 10], [10, 12.2]);
        // Differences 2 and 2.2: t(0.975, 1) · 0.1414 ÷ √2 = 1.27.
        (two.High95!.Value - two.Difference).ShouldBe(12.7062 * 0.1, 1e-4);
        (two.Difference - two.Low95!.Value).ShouldBe(two.High95.Value - two.Difference, 1e-12);
        two.Sentence.ShouldBe("+2.1 °Bx, give or take 1.3: more than the noise.");
        Plants([8, 10], [9, 9]).Sentence.ShouldEndWith(": inside the noise. You can't tell.");
        Plants([10, 12], [8, 9.8]).Sentence.ShouldStartWith("−2.1 °Bx");
        Plants([8], [10]).Low95.ShouldBeNull();
    }

    private static PatchRead Patch(string name, PatchRole role, double mean, double spread, string? carrier = null) => new() {
        Candidate = name, Role = role, In = carrier, Before = [8, 8, 8, 8],
        After = [mean - spread, mean - (spread / 3), mean + (spread / 3), mean + spread],
    };

    private static readonly PatchRead Water = Patch("water", PatchRole.Water, 8, 0);

    [Fact]
    public void Patches_that_cannot_be_told_ask_for_more()
    {
        PatchAnswer Of(double lift, double spread) => Patches.Of([Water, Patch("kelp", PatchRole.Candidate, 8 + lift, spread)]).Value;
        var wide = Of(1, 4);
        wide.Lifts[0].Word.ShouldBe("cannot tell yet");
        wide.Lifts[0].Sentence.ShouldContain(": the interval holds nought: you can’t tell yet. ");
        wide.Lifts[0].MorePatches!.Value.ShouldBeGreaterThan(0);
        wide.Lifts[0].Sentence.ShouldContain($" {wide.Lifts[0].MorePatches} more patches of each would tell.");
        wide.Sentence.ShouldEndWith("Not told yet; more patches would.");
        var near = Of(1.8, 1.2);
        near.Lifts[0].Sentence.ShouldContain(": more than noise, but whether it reaches two can’t be told yet.");
        Of(-1, 4).Lifts[0].Sentence.ShouldContain("the interval holds nought");
        Patches.Of([Water, Patch("kelp", PatchRole.Candidate, 9, 4), Patch("humic", PatchRole.Candidate, 8, 0)]).Value.Sentence
            .ShouldEndWith("Not told yet; more patches would."); // one of them is not told
    }

    [Fact]
    public void Water_is_pooled_and_a_carrier_is_looked_for_by_its_name()
    {
        var sum = Patches.Of([Water, Patch("water", PatchRole.Water, 8.4, 0), Patch("kelp", PatchRole.Candidate, 11, 0.1)]).Worked;
        sum.Working[0].Figures.ShouldBe("2 patches");
        sum.Value.Lifts[0].Lift.ShouldBe(2.8, 1e-9);
        Patches.Of([Water, Patch("kelp", PatchRole.Candidate, 11, 0.1)]).Worked.Working[0].Figures.ShouldBe("1 patch");
        // The carrier of another candidate is not its carrier.
        var two = Patches.Of([Water, Patch("humic", PatchRole.Carrier, 9, 0.1), Patch("soap", PatchRole.Carrier, 10, 0.1),
            Patch("kelp", PatchRole.Candidate, 11, 0.1, "humic"), Patch("fish", PatchRole.Candidate, 11, 0.1, "soap")]).Value;
        two.Lifts.Single(l => l.Candidate == "kelp").OverCarrier!.Value.ShouldBe(2, 1e-9);
        two.Lifts.Single(l => l.Candidate == "fish").OverCarrier!.Value.ShouldBe(1, 1e-9);
        Patches.Of([Water, Patch("soap", PatchRole.Carrier, 9, 0.1), Patch("kelp", PatchRole.Candidate, 11, 0.1, "humic")])
            .Refused!.Problems.Single().Wrong.ShouldBe("No patch had humic alone.");
    }

    [Fact]
    public void A_patchs_dose_in_us_customary_measures()
    {
        PatchDose.Of(50_000, "g", 1, 100, UnitSystem.UsCustomary).Value.Sentence.ShouldBe("0.176 oz in 3.38 fl oz of water.");
        PatchDose.Of(50_000, "mL", 1, 100, UnitSystem.UsCustomary).Value.Sentence.ShouldStartWith("0.169 fl oz in 3.38 fl oz");
        PatchDose.Of(10_000, "mL", 1, 100).Value.Sentence.ShouldStartWith("1 mL is too little to measure"); // a scale takes 1 g
        PatchDose.Of(10_000, "g", 1, 100).Value.Sentence.ShouldBe("1 g in 100 mL of water.");
    }

    [Theory]
    [InlineData(Design.Blocks, 3, 4, 6)]
    [InlineData(Design.Random, 3, 4, 9)]
    [InlineData(Design.Random, 2, 2, 2)]
    public void Give_or_take_of_a_plan_is_t_times_its_standard_error(Design design, int treatments, int plots, double df)
    {
        var plan = ReplicatesPlan.Of(design, treatments, plots, 0.3, 0.2, "kg").Worked;
        var alpha = 0.05 / (treatments - 1);
        plan.Value.Now.HalfWidth!.Value.ShouldBe(Distribution.CriticalT(alpha, df) * 0.3 * Math.Sqrt(2.0 / plots), 1e-9);
        plan.Value.Now.WorksAtWorth.ShouldBe(alpha / 2, 1e-12); // at the line itself its interval hardly ever lies above it
        plan.Value.Now.WorksAtTwice.ShouldBe(plan.Value.Now.Power, 1e-12);
        plan.Value.Now.SeenAtTwice.ShouldBe(Replicates.PowerAtDf(plots, 0.4, 0.3, alpha, df, paired: false), 1e-12);
        plan.Working.Single().Figures.ShouldBe($"noise 0.3, worth 0.2 kg, α 0.05 ÷ {treatments - 1}");
        plan.Working.Single().Result.ShouldBe($"{Say.Number(10 * plan.Value.Now.Power, 2)} times in ten with {plots}");
    }

    [Fact]
    public void Averaged_over_settings_a_side_has_more_plots()
    {
        var plan = ReplicatesPlan.Of(Design.Factorial, 6, 4, 0.3, 0.2, "kg", compared: 2).Value.Now;
        plan.HalfWidth!.Value.ShouldBe(Distribution.CriticalT(0.05, 15) * 0.3 * Math.Sqrt(2.0 / 4 / 3), 1e-9);
        plan.Power.ShouldBe(Replicates.PowerAtDf(12, 0.2, 0.3, 0.05, 15, paired: false), 1e-12);
        var one = ReplicatesPlan.Of(Design.Blocks, 2, 2, 0.3, 0.2, "kg").Value.Now; // one degree of freedom still tells something
        one.HalfWidth!.Value.ShouldBe(Distribution.CriticalT(0.05, 1) * 0.3, 1e-9);
    }
}
