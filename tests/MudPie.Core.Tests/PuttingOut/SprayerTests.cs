using MudPie.Core.PuttingOut;

namespace MudPie.Core.Tests.PuttingOut;

public class SprayerTests
{
    private static SprayerFacts Knapsack =>
        new() { Kind = "knapsack", Past = "biology", MeshUm = 300, PressureBar = 2, CalibratedDaysAgo = 30 };

    [Fact]
    public void One_kept_for_biology_is_used() => Sprayers.Judge(Knapsack).Value.Verdict.Tone.ShouldBe(Tone.Go);

    [Theory]
    [InlineData("poison", null, false)]
    [InlineData("poison", "short", false)]
    [InlineData("poison", "triple rinse by the county rule, lab slip of 3 May", true)]
    [InlineData("unknown", null, false)]
    [InlineData("fertiliser", null, true)]
    public void One_that_held_weed_killer_is_refused_unless_cleared_with_a_reason(string past, string? why, bool allowed)
    {
        var ruling = Sprayers.Judge(Knapsack with { Past = past, ClearedWhy = why }).Worked;
        ruling.Value.Allowed.ShouldBe(allowed);
        ruling.Cautions.Any(c => c.Id == "sprayer-past").ShouldBe(!allowed);
    }

    [Theory]
    [InlineData(50, 300)]
    [InlineData(100, 150)]
    [InlineData(200, 75)]
    public void Mesh_numbers_are_the_table_s(double number, double um) => Sprayers.MeshUm(number).Value.ShouldBe(um);

    [Theory]
    [InlineData(100, "too fine")]
    [InlineData(160, "bacteria and protozoa")]
    [InlineData(200, "most nematodes; long threads stay behind")]
    [InlineData(400, "long threads too")]
    public void A_mesh_says_what_it_holds_back(double um, string says) => Sprayers.MeshSays(um).ShouldContain(says);

    [Fact]
    public void Fine_mesh_high_pressure_an_old_calibration_and_no_washing_are_all_minded()
    {
        var minds = Sprayers.Judge(Knapsack with { MeshUm = 100, PressureBar = 5, CalibratedDaysAgo = 200, Unwashed = true }).Value.Minds;
        minds.Count.ShouldBe(4);
        Sprayers.Judge(Knapsack with { CalibratedDaysAgo = null }).Value.Minds.ShouldHaveSingleItem().ShouldContain("never calibrated");
        Sprayers.Judge(Knapsack with { Kind = "boom", CalibratedDaysAgo = 91 }).Value.Minds.ShouldHaveSingleItem()
            .ShouldContain("due again after 90");
    }

    [Theory]
    [InlineData("hose", "biology", 300, "kind")]
    [InlineData("boom", "milk", 300, "past")]
    [InlineData("boom", "new", -3, "meshUm")]
    [InlineData("boom", "new", double.PositiveInfinity, "meshUm")]
    public void Nonsense_is_refused(string kind, string past, double mesh, string field) =>
        Sprayers.Judge(new SprayerFacts { Kind = kind, Past = past, MeshUm = mesh }).Refused.ShouldNotBeNull().Problems[0].Field
            .ShouldBe(field);

    [Fact]
    public void A_can_is_counted_by_the_clock()
    {
        var can = WateringCan.Of(10, 40, 25).Value;
        (can.Seconds, can.Cans).ShouldBe((100, 2.5));
        WateringCan.Of(0, 40, double.NaN).Refused.ShouldNotBeNull().Problems.Select(p => p.Field).ShouldBe(["canL", "wantedL"]);
    }

    [Theory]
    [InlineData(Purpose.Leaf, Making.Tea, null, Tone.Go)]
    [InlineData(Purpose.Leaf, Making.Extract, null, Tone.Mind)]
    [InlineData(Purpose.Root, Making.Tea, null, Tone.Mind)]
    [InlineData(Purpose.Root, Making.Tea, "either", Tone.Go)]
    [InlineData(Purpose.Root, Making.Bubbled, null, Tone.Go)]
    [InlineData(Purpose.Leaf, Making.Steep, null, Tone.Stop)]
    [InlineData(Purpose.Leaf, null, null, Tone.Go)]
    public void Leaf_or_root_is_reasoned_and_hangs_on_the_fork(Purpose purpose, Making? making, string? school, Tone tone)
    {
        var ruling = LeafOrRoot.Of(purpose, making, school);
        ruling.Value.Tone.ShouldBe(tone);
        ruling.Value.Why.Length.ShouldBeGreaterThan(20);
        ruling.Forks.ShouldHaveSingleItem().Chosen.ShouldBe(school == "either" ? "either" : "only-extract");
    }
}
