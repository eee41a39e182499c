using MudPie.Core.PuttingOut;

namespace MudPie.Core.Tests.PuttingOut;

/// <summary>Where each making belongs, and tanks to the last litre.</summary>
public sealed class PlaceEdgesTests
{
    [Theory]
    [InlineData(Purpose.Leaf, Making.Tea, Tone.Go, "Tea on leaves: right.")]
    [InlineData(Purpose.Leaf, Making.Extract, Tone.Mind, "Extract on leaves does not stick.")]
    [InlineData(Purpose.Leaf, Making.Bubbled, Tone.Mind, "Extract on leaves does not stick.")]
    [InlineData(Purpose.Leaf, Making.Steep, Tone.Stop, "Steeped castings are a feed: keep them off leaves.")]
    [InlineData(Purpose.Root, Making.Tea, Tone.Mind, "Tea on soil is held back by the top layer.")]
    [InlineData(Purpose.Root, Making.Extract, Tone.Go, "Extract to the root: right.")]
    [InlineData(Purpose.Root, Making.Bubbled, Tone.Go, "Extract to the root: right.")]
    [InlineData(Purpose.Root, Making.Steep, Tone.Mind, "A feed for the soil, not a live brew.")]
    [InlineData(Purpose.Leaf, null, Tone.Go, "On leaves: cover both sides to the point of drip.")]
    [InlineData(Purpose.Root, null, Tone.Go, "To the roots: wet the ground to their depth.")]
    public void Each_making_in_its_place(Purpose purpose, Making? making, Tone tone, string says)
    {
        var verdict = LeafOrRoot.Of(purpose, making).Value;
        (verdict.Tone, verdict.Sentence).ShouldBe((tone, says));
    }

    [Fact]
    public void Who_holds_that_either_will_do_is_not_told_to_mind()
    {
        var either = LeafOrRoot.Of(Purpose.Root, Making.Tea, "either");
        (either.Value.Tone, either.Forks.Single().Chosen).ShouldBe((Tone.Go, "either"));
        LeafOrRoot.Of(Purpose.Root, Making.Tea, "only-extract").Value.Tone.ShouldBe(Tone.Mind);
        LeafOrRoot.Of(Purpose.Root, Making.Tea).Forks.Single().Chosen.ShouldBe("only-extract");
    }

    private static TankPlanQuestion Field => new() { AreaM2 = 3600, RateLPerHa = 300, TankL = 60, OneIn = 6, SpareShare = 0 };

    [Fact]
    public void Fillings_by_hand()
    {
        var plan = TankPlan.Of(Field).Worked;
        plan.Value.Loads.Select(l => (l.TotalL, l.TeaL, l.WaterL)).ShouldBe([(60, 10, 50), (48, 8, 40)]);
        (plan.Value.TotalL, plan.Value.TeaL, plan.Value.WaterL, plan.Value.SpareL).ShouldBe((108, 18, 90, 0));
        (plan.Value.TeaPer100M2, plan.Value.Millimetres).ShouldBe((0.5, 0.03));
        (plan.Value.Verdict.Tone, plan.Value.Verdict.Sentence).ShouldBe((Tone.Go, "2 fillings, the last of 48 L."));
        plan.Value.Verdict.Why.ShouldBe("18 L of brew in 108 L; 0.5 L of brew on 100 m².");
        plan.Working.Select(w => w.Result).ShouldBe(["108 L", "108 L", "1 full, then 48 L", "18 L"]);
    }

    [Fact]
    public void Full_tanks_leave_no_part_tank_and_the_spare_is_of_the_whole()
    {
        var full = TankPlan.Of(Field with { AreaM2 = 4000 }).Worked;
        (full.Value.Loads.Count, full.Value.Verdict.Sentence, full.Working[2].Result).ShouldBe((2, "2 fillings.", "2 full"));
        TankPlan.Of(Field with { AreaM2 = 1000 }).Value.Verdict.Sentence.ShouldBe("One filling of 30 L.");
        var spare = TankPlan.Of(Field with { SpareShare = null }).Value;
        (Math.Round(spare.TotalL, 6), Math.Round(spare.SpareL, 6)).ShouldBe((113.4, 5.4));
        TankPlan.Of(Field with { OneIn = null }).Value.TeaL.ShouldBe(108, 1e-9); // neat
    }

    [Fact]
    public void More_than_five_millimetres_are_an_irrigation()
    {
        var five = Field with { AreaM2 = 100, RateLPerHa = 50_000, TankL = 500 };
        TankPlan.Of(five).Value.Verdict.Tone.ShouldBe(Tone.Go);
        TankPlan.Of(five with { RateLPerHa = 52_000 }).Value.Verdict.Sentence.ShouldBe("5.2 mm: that is an irrigation.");
    }

    [Fact]
    public void A_hundred_fillings_are_planned_and_one_more_refused()
    {
        TankPlan.Of(Field with { AreaM2 = 200_000 }).Value.Loads.Count.ShouldBe(100);
        TankPlan.Of(Field with { AreaM2 = 200_100 }).Refused!.Problems.Single().Field.ShouldBe("tankL");
        TankPlan.Of(new TankPlanQuestion { OneIn = 0, SpareShare = 1 }).Refused!.Problems.Select(p => p.Field)
            .ShouldBe(["areaM2", "rateLPerHa", "tankL", "oneIn", "spareShare"]);
    }
}
