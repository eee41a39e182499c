using MudPie.Core.Judging;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.Judging;

/// <summary>Patches, bands, hints, and holding a spray.</summary>
public class LeavesAndPatchesTests
{
    private static PatchRead Patch(string name, PatchRole role, double[] before, double[] after) =>
        new() { Candidate = name, Role = role, Before = before, After = after };

    private static readonly PatchRead Water = Patch("water", PatchRole.Water, [8.0, 8.2, 7.8, 8.0], [8.2, 8.4, 8.0, 8.2]);

    [Fact]
    public void A_lift_is_reckoned_over_water()
    {
        var a = Patches.Of([Water, Patch("fulvic", PatchRole.Candidate, [8.0, 8.2, 7.8, 8.0], [10.6, 10.8, 10.4, 10.6])]).Value;
        a.Water.ShouldBe(0.2, 1e-9);
        a.Winner.ShouldBe("fulvic");
        var lift = a.Lifts.ShouldHaveSingleItem();
        lift.Lift.ShouldBe(2.4, 1e-9);
        // Four bursts of four with s² = 0.08/3 each: standard error √(4 · 0.02667/4) = 0.1633 on 12 degrees of freedom; t 2.1788.
        (lift.Upper!.Value - lift.Lift).ShouldBe(2.178813 * 0.163299, 1e-4);
        lift.Sentence.ShouldContain("One patch: its spot can’t be told from its product");
    }

    [Theory]
    [InlineData(10.2, "yes")]
    [InlineData(7.2, "no")]
    [InlineData(8.4, "nothing seen")]
    public void Two_degrees_are_a_yes_a_fall_is_a_no_and_between_nothing_is_seen(double after, string word)
    {
        double[] leaves = [after + 0.1, after - 0.1, after + 0.1, after - 0.1];
        Patches.Of([Water, Patch("kelp", PatchRole.Candidate, [8.0, 8.2, 7.8, 8.0], leaves)]).Value.Lifts[0].Word.ShouldBe(after == 10.2
            ? "yes" : word);
    }

    [Fact]
    public void An_interval_that_holds_nought_says_so_and_how_many_more()
    {
        var l = Patches.Of([Water, Patch("kelp", PatchRole.Candidate, [6, 10, 8, 8.4], [7, 12.5, 9.4, 9])]).Value.Lifts[0];
        l.Word.ShouldBe("cannot tell yet");
        l.MorePatches.ShouldNotBeNull().ShouldBeGreaterThan(0);
        l.Sentence.ShouldContain("holds nought");
    }

    [Fact]
    public void Several_patches_are_judged_by_their_own_spread()
    {
        var a = Patches.Of([Water, Water with { After = [8.6, 8.8, 8.4, 8.6] }, Patch("k", PatchRole.Candidate, [8, 8, 8, 8],
            [11, 11, 11, 11]), Patch("k", PatchRole.Candidate, [8, 8, 8, 8], [10.4, 10.4, 10.4, 10.4])]).Value.Lifts[0];
        a.Patches.ShouldBe(2);
        a.Lift.ShouldBe(2.7 - 0.4, 1e-9);
        // Changes 0.2 and 0.6, 3 and 2.4: variances of means 0.04 and 0.09 on one degree of freedom each; Welch 1.742.
        (a.Upper!.Value - a.Lift).ShouldBe(1.79, 0.12);
        a.Sentence.ShouldNotContain("One patch");
    }

    [Fact]
    public void Without_water_or_leaves_nothing_is_told()
    {
        Patches.Of([Patch("k", PatchRole.Candidate, [8], [9])]).Refused!.Problems.ShouldContain(p => p.Wrong.Contains("water only"));
        Patches.Of([Water]).Refused!.Problems.ShouldContain(p => p.Wrong.Contains("candidate"));
        Patches.Of([Water, Patch("k", PatchRole.Candidate, [], [99])]).Refused!.Problems.Select(p => p.Field)
            .ShouldBe(["patches[1].before", "patches[1].after"]);
        Patches.Of([Water, Patch("k", PatchRole.Candidate, [8], [9])]).Value.Lifts[0].Lower.ShouldBeNull();
    }

    [Fact]
    public void The_order_of_patches_is_drawn_by_lot_and_can_be_drawn_again()
    {
        var first = Patches.Order(8, 41);
        first.Order().ShouldBe(Enumerable.Range(0, 8));
        Patches.Order(8, 41).ShouldBe(first);
        // Over 800 seeds each place falls to the first patch about 100 times, with a deviation of 9.
        Enumerable.Range(0, 800).GroupBy(s => Patches.Order(8, s)[0]).ShouldAllBe(g => Math.Abs(g.Count() - 100) < 40);
    }

    [Fact]
    public void A_rate_is_scaled_to_the_patch_and_too_little_is_stirred_in_first()
    {
        var small = PatchDose.Of(5000, "mL", 1, 100).Value;
        (small.Product, small.StockPer, small.StockMl, small.TakeMl).ShouldBe((0.5, 5, 1000, 100));
        var plain = PatchDose.Of(300_000, "g", 2, 200).Value;
        (plain.Product, plain.WaterMl, plain.StockPer).ShouldBe((60, 400, null));
        // What is taken holds what the patch should get, however small.
        foreach (var rate in new[] { 1.0, 30, 700, 9000, 60_000 })
        {
            var d = PatchDose.Of(rate, "mL", 1, 100).Value;
            ((d.StockPer ?? d.Product) * (d.TakeMl ?? d.WaterMl) / (d.StockMl ?? d.WaterMl)).ShouldBe(rate / 10_000, 1e-9);
        }

        PatchDose.Of(0, "mL", 100, 1).Refused!.Problems.Select(p => p.Field).ShouldBe(["ratePerHa", "areaM2", "waterMlPerM2"]);
    }

    [Theory]
    [InlineData("own", 8.4)]
    [InlineData("bands", 8.0)]
    [InlineData("twelve", 12.0)]
    public void The_line_is_the_schools_that_was_chosen(string school, double line)
    {
        var s = BrixBands.Stand(9.4, "fennel", [7.8, 8.2, 8.4, 8.9, 9.1], school);
        s.Value.Line.ShouldBe(line, 1e-9);
        s.Value.Own.ShouldBe("above its own past");
        s.Value.Band.ShouldBe("good");
        s.Value.Good.ShouldBe(line < 9.4);
        s.Forks.ShouldHaveSingleItem().Schools.Count.ShouldBe(3);
    }

    [Fact]
    public void With_no_past_its_band_is_taken_and_said()
    {
        var s = BrixBands.Stand(5, "mangold", [6, 7], "own").Value;
        (s.Own, s.Band, s.Line, s.OwnMedian, s.Bands.Crop).ShouldBe(("no past yet", "poor", 9, null, "most crops"));
    }

    [Theory]
    [InlineData(true, 2, "hold")]
    [InlineData(true, 12, "recount")]
    [InlineData(true, 25, "act")]
    [InlineData(false, 2, "feed")]
    [InlineData(false, 12, "act")]
    public void Leaves_and_pests_are_read_together(bool good, double count, string word)
    {
        var h = HoldOrSpray.Of(good, "as usual here", "aphids", count, 10).Worked;
        h.Value.Word.ShouldBe(word);
        h.Cautions.Any(c => c.Id == "spraying").ShouldBe(count >= 10);
        h.Sure.ShouldBe(Evidence.PractitionersRule);
    }

    [Fact]
    public void A_count_without_a_threshold_is_no_advice() =>
        HoldOrSpray.Of(true, "", "", -1, 0).Refused!.Problems.Select(p => p.Field).ShouldBe(["pest", "count", "threshold"]);

    private static readonly DateTimeOffset Day = new(2026, 6, 10, 0, 0, 0, TimeSpan.Zero);

    private static HintVisit Visit(double day, double hour, double brix, LeafPosition leaf = LeafPosition.Top, Sky sky = Sky.Clear,
        bool weed = false) =>
        new() { At = Day.AddDays(day).AddHours(hour), Leaf = leaf, Sky = sky, Weed = weed, At20 = [brix, brix + 0.2, brix - 0.2, brix] };

    private static IEnumerable<string> Hints(params HintVisit[] visits) => BrixHints.Of(visits, "fennel").Select(h => h.Id);

    [Fact]
    public void Each_pattern_gives_its_own_hint_and_no_other()
    {
        Hints(Visit(0, 16, 10), Visit(1, 7, 10)).ShouldBe(["no-fall-overnight"]);
        Hints(Visit(0, 7, 4), Visit(0, 15, 4)).ShouldBe(["no-rise-by-day"]);
        Hints(Visit(0, 8, 9, LeafPosition.Top), Visit(0, 8.3, 6, LeafPosition.Bottom)).ShouldBe(["top-and-bottom"]);
        Hints(Visit(0, 10, 8), Visit(0, 10.2, 8, weed: true)).ShouldBe(["weeds-as-high"]);
        Hints(Visit(0, 15, 9), Visit(3, 15, 6.5, sky: Sky.Dull)).ShouldBe(["cloudy-fall"]);
        Hints(Visit(0, 9, 9), Visit(0, 12.5, 6)).ShouldBe(["midday-drop"]);
        Hints(Visit(0, 9, 4), Visit(9, 9, 4.2), Visit(18, 9, 4.1), Visit(27, 9, 4.4)).ShouldBe(["low-throughout"]);
    }

    [Fact]
    public void A_weed_is_held_against_the_same_leaf_of_the_crop_only() =>
        Hints(Visit(0, 10, 8, LeafPosition.Bottom), Visit(0, 10.2, 8, weed: true)).ShouldNotContain("weeds-as-high");

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    public void Fewer_than_three_leaves_get_no_word(int leaves)
    {
        var s = BrixBands.Stand(14, "fennel", [7.8, 8.2, 8.4, 8.9, 9.1], "own", leaves).Value;
        (s.Band, s.Own, s.Good).ShouldBe(("too few leaves", "too few leaves", false));
        s.Sentence.ShouldNotContain("excellent");
    }

    [Fact]
    public void A_candidate_in_a_carrier_stands_beside_the_carrier_alone()
    {
        PatchRead fulvic = Patch("fulvic", PatchRole.Carrier, [8.0, 8.2, 7.8, 8.0], [10.4, 10.6, 10.2, 10.4]),
            mixed = Patch("zinc in fulvic", PatchRole.Candidate, [8.0, 8.2, 7.8, 8.0], [10.5, 10.7, 10.3, 10.5]) with { In = "fulvic" };
        var a = Patches.Of([Water, fulvic, mixed]).Value;
        var l = a.Lifts.Single(x => x.Candidate == "zinc in fulvic");
        l.Word.ShouldBe("yes"); // over water
        l.OverCarrier!.Value.ShouldBe(0.1, 1e-9);
        a.Winner.ShouldBeNull(); // the carrier did it
        a.Sentence.ShouldContain("its carrier alone");
        Patches.Of([Water, mixed]).Refused!.Problems.ShouldContain(p => p.Wrong.Contains("fulvic alone"));
    }

    [Fact]
    public void A_sound_day_gives_none()
    {
        Hints(Visit(0, 7, 7), Visit(0, 15, 9), Visit(1, 7, 7.2)).ShouldBeEmpty();
        Hints(Visit(0, 10, 9), Visit(0, 10.2, 6, weed: true)).ShouldBeEmpty();
        Hints().ShouldBeEmpty();
    }

    [Fact]
    public void A_hint_is_never_a_diagnosis()
    {
        foreach (var h in BrixHints.Of([Visit(0, 16, 10), Visit(1, 7, 10), Visit(2, 8, 9, LeafPosition.Top),
            Visit(2, 8.3, 6, LeafPosition.Bottom),
            Visit(2, 10, 8), Visit(2, 10.2, 8, weed: true)], "fennel"))
        {
            h.Confirm.ShouldNotBeEmpty();
            h.Sure.ShouldBeOneOf(Evidence.PractitionersRule, Evidence.Contested);
            (h.Look + h.Confirm).ShouldNotContain("deficien");
        }
    }

    [Fact]
    public void Plant_by_plant_what_differs_between_plants_drops_out()
    {
        // By hand: differences 2, 2.2, 1.8; mean 2, s 0.2, standard error 0.11547, t(2) 4.302653.
        var d = BrixReadings.ComparePlants(new([8, 9, 10], LeafPosition.Bottom, 9, Sky.Clear),
            new([10, 11.2, 11.8], LeafPosition.Top, 9, Sky.Clear)).Value;
        d.Difference.ShouldBe(2, 1e-9);
        (d.High95!.Value - 2).ShouldBe(4.302653 * 0.2 / Math.Sqrt(3), 1e-5);
        d.InsideNoise.ShouldBe(false);
        BrixReadings.ComparePlants(new([8, 9], LeafPosition.Top, 9, Sky.Clear),
            new([10, 11, 12], LeafPosition.Top, 9, Sky.Clear)).Value.Difference
            .ShouldBe(2.5, 1e-9);
    }
}
