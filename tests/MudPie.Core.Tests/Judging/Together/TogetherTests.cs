using MudPie.Core.Judging.Together;
using MudPie.Core.Judging.Trials;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.Judging.Together;

/// <summary>One question in several gardens: a protocol joined with fewer arms, and its results put together.</summary>
public sealed class TogetherTests
{
    private static readonly string[] Four = ["nothing", "water only", "extract", "tea"];

    private static readonly TrialProtocol Tea = new() {
        Form = TrialProtocol.This, Mark = Guid.Parse("7a1f0c9e-0f57-4c51-8e46-0d6f2f6b1c11"), From = "Saltmarsh End",
        Question = "Does tea lift garlic more than water alone?", Design = Design.Blocks, Kind = TrialKind.Beds, Liquid = true,
        Blind = true, Replicates = 5, WorthHaving = 0.15,
        Arms = [new("nothing", TrialRole.Control, null, null), new("water only", TrialRole.Water, null, "1 L"),
            new("extract", TrialRole.Treatment, null, "1 L"), new("tea", TrialRole.Treatment, "20 mL a m²", "1 L")],
        Measures = [new("yield", "kg a metre", Scale.Amount, 0.01, 40, false, null, DatesTo.Last)],
        Days = [60, 90],
    };

    private static readonly GardenResult Own = new() {
        Garden = Guid.Parse("7a1f0c9e-0f57-4c51-8e46-0d6f2f6b1c12"), Name = "Saltmarsh End", Crop = "garlic", Season = "2026",
    };

    private static string[] Refused(TrialProtocol p) =>
        [.. Protocols.Look(p).Refused?.Problems.Select(x => x.Field) ?? []];

    private static LaidTrial Laid(params string[] arms)
    {
        List<LaidTreatment> treatments = [.. arms.Select(a => new LaidTreatment(a, Tea.Arms!.FirstOrDefault(x => x.Name == a)?.Role
            ?? TrialRole.Treatment, [a]))];
        return new LaidTrial {
            Design = Design.Blocks, Liquid = true, Factors = ["treatment"], WorthHaving = 0.15, Replicates = 5, ByLot = true, Blind = true,
            Treatments = treatments,
            Plots = [.. Enumerable.Range(0, 5 * arms.Length)
                .Select(i => new TriedPlot(i, i, treatments[i % arms.Length], $"block {i / arms.Length}", null))],
        };
    }

    private static LaidMeasure Chief(string unit = "kg a metre") => new(1, 0, "yield", unit, Scale.Amount, false, null, DatesTo.Last);

    private static List<DatedFigure> Figures(LaidTrial t, Func<string, int, double> of) => [.. t.Plots.Select(p => new DatedFigure(p.Id, 1,
        DateTimeOffset.UnixEpoch, new PlotFigure(of(p.Treatment.Full, p.Number / t.Treatments.Count), null, null, false)))];

    private static GardenResult Garden(int n, string crop, params ArmResult[] arms) => Own with {
        Form = GardenResult.This,
        Protocol = Tea.Mark,
        Reference = "water only",
        Garden = new Guid(n, 0, 0, new byte[8]),
        Name = $"garden {n}",
        Crop = crop,
        Arms = arms
    };

    [Fact]
    public void What_is_wrong_with_a_protocol_is_said_by_where_it_stands()
    {
        Protocols.Look(Tea).Value.ShouldBe(Tea);
        Refused(Tea with { Form = "another/1" }).ShouldBe(["form"]);
        Refused(Tea with { Mark = Guid.Empty, From = " ", Replicates = 0 }).ShouldBe(["mark", "from", "replicates"]);
        Refused(Tea with { Arms = [Tea.Arms![0]] }).ShouldBe(["arms"]);
        Refused(Tea with { Arms = [Tea.Arms![0], Tea.Arms[3] with { Name = "" }] }).ShouldBe(["arms[1].name"]);
        Refused(Tea with { Arms = [Tea.Arms![2], Tea.Arms[3]] }).ShouldBe(["arms"], "nothing to set them against");
        Refused(Tea with { Arms = [Tea.Arms![0], Tea.Arms[1]] }).ShouldBe(["arms"], "nothing is tried");
        Refused(Tea with { Arms = [Tea.Arms![0], Tea.Arms[3], Tea.Arms[3]] }).ShouldBe(["arms"]);
        Refused(Tea with { Measures = [Tea.Measures![0] with { Low = double.NaN }] }).ShouldBe(["measures[0].low"]);
        Refused(Tea with { Measures = [Tea.Measures![0] with { Kind = Scale.Count }] }).ShouldBe(["measures[0].outOf"]);
        Refused(Tea with { Days = [-1] }).ShouldBe(["days"]);
        Refused(Tea with { Arms = [.. Tea.Arms!, null!], Measures = [null!] }).ShouldBe(["arms[4]", "measures[0]"]);
        Protocols.Look(Tea with { Measures = [Tea.Measures![0] with { Unit = "kg a plot" }] }).Worked.Cautions.Single().Id
            .ShouldBe("protocol-plot");
    }

    [Fact]
    public void It_is_joined_with_fewer_arms_but_never_without_what_all_are_set_against()
    {
        Protocols.Join(Tea, null).Value.Arms!.Count.ShouldBe(4);
        Protocols.Join(Tea, ["tea", "water only"]).Value.Arms!.Select(a => a.Name).ShouldBe(["water only", "tea"]);
        Protocols.Join(Tea, ["nothing", "tea"]).Refused!.Problems.Single().Wrong.ShouldBe("“water only” was left out.");
        Protocols.Join(Tea, ["nothing", "water only"]).Refused!.Problems.Single().Wrong.ShouldBe("Nothing is tried.");
        Protocols.Join(Tea, ["water only", "tea", "milk"]).Refused!.Problems.Single().Wrong.ShouldBe("“milk” is not in the protocol.");
        var dry = Tea with { Liquid = false, Arms = [Tea.Arms![0], Tea.Arms[2], Tea.Arms[3]] };
        Protocols.Join(dry, ["nothing", "tea"]).Value.Reference()!.Name.ShouldBe("nothing");

        Protocols.Strays(Tea, Laid("water only", "tea", "our own brew"), Chief()).ShouldBeNull();
        Protocols.Strays(Tea, Laid("nothing", "tea"), Chief())!.Problems.Single().Field.ShouldBe("treatments");
        Protocols.Strays(Tea, Laid(Four), Chief("lb a foot"))!.Problems.Single().WayOut
            .ShouldStartWith("The protocol’s is yield in kg a metre");
    }

    [Fact]
    public void A_garden_s_result_is_the_difference_of_each_arm_from_water_only_with_its_error()
    {
        var trial = Laid(Four);
        double[] block = [0.05, -0.1, 0.2, 0, -0.15], stray = [0.03, -0.04, 0.01, 0.02, -0.02];
        double Gave(string arm, int b) => 3 + block[b] + (arm == "tea" ? 0.2 + stray[b] : arm == "extract" ? 0.1 - stray[b] : 0);
        var result = GardenResults.Of(Tea, trial, Chief(), Figures(trial, Gave), Own).Value;
        result.Arms!.Select(a => a.Name).ShouldBe(["extract", "tea"]);
        result.Arms![1].Difference.ShouldBe(0.2, 1e-9);
        result.Arms[1].Plots.ShouldBe(5);
        (result.Arms[1].Mean - result.Arms[1].ReferenceMean).ShouldBe(0.2, 1e-9);
        // tea and extract stray against each other, so that neither blocks nor means take any of it: 12 degrees of freedom
        var squares = stray.Sum(s => 2 * s * s);
        result.Arms[1].StandardError.ShouldBe(Math.Sqrt(squares / 12 * 2 / 5), 1e-9);
        (result.Reference, result.Protocol, result.Label()).ShouldBe(("water only", Tea.Mark, "Saltmarsh End, garlic, 2026"));
        GardenResults.Look(Tea, result).Value.ShouldBe(result);

        // fewer arms, and one of the garden's own, which goes nowhere
        var few = Laid("water only", "tea", "our own brew");
        GardenResults.Of(Tea, few, Chief(), Figures(few, (a, b) => Gave(a, b) + (0.01 * b * (a.Length - 3))), Own).Value.Arms!.Single().Name
            .ShouldBe("tea");
        GardenResults.Of(Tea, Laid("nothing", "tea"), Chief(), [], Own).Refused!.Problems.Single().Field.ShouldBe("treatments");
        GardenResults.Of(Tea, trial, Chief(), [], Own).Refused.ShouldNotBeNull("nothing is measured");
    }

    [Fact]
    public void A_result_from_elsewhere_is_looked_through()
    {
        var fine = Garden(1, "garlic", new ArmResult("tea", 0.2, 0.06, 5, 3.2, 5, 3));
        string[] Fields(GardenResult r) => [.. GardenResults.Look(Tea, r).Refused?.Problems.Select(x => x.Field) ?? []];
        Fields(fine).ShouldBeEmpty();
        Fields(fine with { Form = null }).ShouldBe(["form"]);
        Fields(fine with { Protocol = Guid.NewGuid(), Garden = Guid.Empty, Name = "", Reference = "nothing" })
            .ShouldBe(["protocol", "garden", "name", "reference"]);
        Fields(fine with { Arms = [] }).ShouldBe(["arms"]);
        Fields(fine with { Arms = [fine.Arms![0] with { Name = "nothing" }, null!] }).ShouldBe(["arms[0].name", "arms[1].name"]);
        Fields(fine with { Arms = [fine.Arms![0] with { StandardError = 0, Plots = -1, Mean = double.NaN }] })
            .ShouldBe(["arms[0].standardError", "arms[0].plots", "arms[0].mean"]);
        Fields(fine with { Arms = [fine.Arms![0], fine.Arms[0]] }).ShouldBe(["arms"]);
    }

    [Fact]
    public void One_crop_is_put_together_by_the_difference_as_other_sites_are()
    {
        GardenResult[] gardens = [Garden(1, "garlic", new ArmResult("tea", 0.2, 0.06, 5, 3.2, 5, 3)),
            Garden(2, "Garlic ", new ArmResult("tea", 0.1, 0.08, 4, 3.1, 4, 3), new ArmResult("extract", 0.1, 0.08, 4, 3.1, 4, 3)),
            Garden(3, "garlic", new ArmResult("tea", 0.25, 0.1, 4, 2.25, 4, 2))];
        var pooled = PoolGardens.Of(Tea, gardens);
        pooled.Value.By.ShouldBe(PoolBy.Difference);
        var plain = CombineTrials.Of(new CombineQuestion {
            Results = [new() { Yi = 0.2, Vi = 0.0036 }, new() { Yi = 0.1, Vi = 0.0064 }, new() { Yi = 0.25, Vi = 0.01 }], WorthHaving = 0.15
        }).Value;
        var tea = pooled.Value.Arms.Single(a => a.Arm == "tea");
        var together = tea.Together!.Value;
        together.Estimate.ShouldBe(plain.Estimate, 1e-12);
        together.Lower.ShouldBe(plain.Lower, 1e-12);
        together.PredictionUpper.ShouldBe(plain.PredictionUpper, 1e-12);
        (together.Verdict, together.Sites[0].Label).ShouldBe((plain.Verdict, "garden 1, garlic, 2026"));
        var extract = pooled.Value.Arms.Single(a => a.Arm == "extract");
        extract.Together.ShouldBeNull();
        extract.Wants.ShouldStartWith("garden 2, Garlic , 2026 alone has a result");
    }

    [Fact]
    public void Several_crops_are_put_together_by_the_ratio_and_less_is_better_turns_the_verdict_not_the_figures()
    {
        PoolGardens.Ratio(new ArmResult("tea", 0.3, 0.1 * Math.Sqrt(0.4), 5, 3.3, 5, 3))!.Value.Log.ShouldBe(Math.Log(1.1), 1e-12);
        PoolGardens.Ratio(new ArmResult("tea", 0.3, 0.1 * Math.Sqrt(0.4), 5, 3.3, 5, 3))!.Value.Variance
            .ShouldBe((0.01 / (5 * 10.89)) + (0.01 / 45), 1e-12);
        PoolGardens.Ratio(new ArmResult("tea", 0.3, 0.1, 5, 0.3, 5, 0)).ShouldBeNull();
        GardenResult[] gardens = [Garden(1, "garlic", new ArmResult("tea", 0.3, 0.03, 5, 3.3, 5, 3)),
            Garden(2, "beetroot", new ArmResult("tea", 0.8, 0.08, 5, 8.8, 5, 8)),
            Garden(3, "fennel", new ArmResult("tea", 0.1, 0.01, 5, 1.1, 5, 1))];
        var pooled = PoolGardens.Of(Tea, gardens);
        pooled.Value.By.ShouldBe(PoolBy.Ratio);
        var tea = pooled.Value.Arms.Single(a => a.Arm == "tea").Together!.Value;
        tea.Estimate.ShouldBe(10, 1e-6);
        tea.Verdict.ShouldBe(Finding.Some, "a line in kilograms is none in per cent");
        tea.Sites.ShouldAllBe(s => s.Lower < 10 && s.Upper > 10);
        PoolGardens.Of(Tea, gardens, PoolBy.Difference).Value.Arms[1].Unit.ShouldBe("kg a metre");

        var pests = Tea with { Measures = [Tea.Measures![0] with { Name = "pests", Unit = "a plant", LowerIsBetter = true }] };
        GardenResult[] fewer = [Garden(1, "garlic", new ArmResult("tea", -2, 0.3, 5, 3, 5, 5)),
            Garden(2, "garlic", new ArmResult("tea", -2.2, 0.3, 5, 3, 5, 5)),
            Garden(3, "garlic", new ArmResult("tea", -1.9, 0.3, 5, 3, 5, 5))];
        var less = PoolGardens.Of(pests, fewer).Value.Arms[1].Together!.Value;
        (less.Verdict, Math.Sign(less.Estimate), less.Lower < less.Upper).ShouldBe((Finding.Works, -1, true));
        less.Sentence.ShouldContain("−2");
    }

    [Fact]
    public void The_interval_holds_what_is_true_nineteen_times_in_twenty()
    {
        var dice = new SeededRandom(1506);
        var held = 0;
        for (var turn = 0; turn < 600; turn++)
        {
            var gardens = Enumerable.Range(1, 6).Select(n => Garden(n, "garlic", new ArmResult("tea",
                0.2 + (0.1 * dice.NextNormal()) + (0.08 * dice.NextNormal()), 0.08, 5, 3.2, 5, 3))).ToList();
            var a = PoolGardens.Of(Tea, gardens).Value.Arms.Single(x => x.Arm == "tea").Together!.Value;
            held += a.Lower <= 0.2 && 0.2 <= a.Upper ? 1 : 0;
        }

        (held / 600.0).ShouldBeInRange(0.92, 0.98);
    }
}
