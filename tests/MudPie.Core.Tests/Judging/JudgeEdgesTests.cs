using MudPie.Core.Judging;
using MudPie.Core.Judging.Trials;
using MudPie.Core.Measures;

namespace MudPie.Core.Tests.Judging;

/// <summary>Leaves, patches, money and plots at their limits, and in their words.</summary>
public sealed class JudgeEdgesTests
{
    private static BrixStanding Stand(double mean, string school = "own", int leaves = 4, params double[] past) =>
        BrixBands.Stand(mean, "fennel", past, school, leaves).Value;

    private static readonly double[] Past = [7.8, 8.2, 8.4, 8.9, 9.1];

    [Theory]
    [InlineData(4.9, "poor")]
    [InlineData(5, "average")]
    [InlineData(7.9, "average")]
    [InlineData(8, "good")]
    [InlineData(10.9, "good")]
    [InlineData(11, "excellent")]
    public void Bands_begin_with_their_own_line(double mean, string band) => Stand(mean).Band.ShouldBe(band);

    [Theory]
    [InlineData(8.1, "below its own past")]
    [InlineData(8.2, "as usual here")] // the lower quarter of five is the second
    [InlineData(8.9, "as usual here")]
    [InlineData(9.0, "above its own past")]
    public void A_bed_is_judged_against_itself(double mean, string own) => Stand(mean, past: Past).Own.ShouldBe(own);

    [Fact]
    public void Four_visits_are_no_past_and_quarters_lie_between_visits()
    {
        Stand(8, past: [7, 8, 9, 10]).Own.ShouldBe("no past yet");
        var six = Stand(8, past: [9, 7, 8, 12, 10, 11]);
        (six.OwnLow, six.OwnMedian, six.OwnHigh).ShouldBe((8.25, 9.5, 10.75));
    }

    [Fact]
    public void The_line_by_each_school_and_whether_it_is_passed()
    {
        (Stand(8.4, "own", 4, Past).Line, Stand(8.4, "own", 4, Past).Good).ShouldBe((8.4, true));
        (Stand(8.3, "own", 4, Past).Good, Stand(8.3).Line).ShouldBe((false, 8));
        (Stand(11.9, "twelve").Good, Stand(12, "twelve").Good).ShouldBe((false, true));
        (Stand(8, "bands", 4, Past).Good, Stand(7.9, "bands", 4, Past).Good).ShouldBe((true, false));
    }

    [Fact]
    public void Two_leaves_are_too_few_for_a_word()
    {
        var two = Stand(14, leaves: 2);
        (two.Band, two.Own, two.Good).ShouldBe(("too few leaves", "too few leaves", false));
        two.Sentence.ShouldBe("14.0 °Bx on 2 leaves: too few for a word. Read 3 or more.");
        Stand(14, leaves: 1).Sentence.ShouldStartWith("14.0 °Bx on one leaf:");
        Stand(14, leaves: 3).Good.ShouldBeTrue();
        Stand(9.4, past: Past).Sentence.ShouldBe("9.4 °Bx: above its own past; good by the bands for fennel.");
        BrixBands.For("something").Crop.ShouldBe("most crops");
        BrixBands.For("Red Currants").Crop.ShouldBe("currant");
    }

    [Fact]
    public void The_sum_and_the_fork_of_a_standing()
    {
        var known = BrixBands.Stand(9, "fennel", Past, "own");
        known.Working.Select(w => w.Result).ShouldBe(["8.2 · 8.4 · 8.9 °Bx", "5 · 8 · 11 °Bx"]);
        known.Forks.Single().Schools.Select(s => s.Gives).ShouldBe(["8.4 °Bx, the middle of 5 visits", "8.0 °Bx, good for fennel",
            "12 °Bx"]);
        var young = BrixBands.Stand(9, "fennel", [8], "own");
        young.Working[0].Result.ShouldBe("fewer than 5: too few");
        young.Forks.Single().Schools[0].Gives.ShouldBe("no past yet: its band, 8.0");
    }

    [Theory]
    [InlineData(true, 9, "hold", 3, false)]
    [InlineData(true, 10, "recount", 1, true)]
    [InlineData(true, 19, "recount", 1, true)]
    [InlineData(true, 20, "act", 1, true)]
    [InlineData(false, 9, "feed", 2, false)]
    [InlineData(false, 10, "act", 1, true)]
    [InlineData(false, 20, "act", 1, true)]
    public void Pests_against_their_threshold(bool good, double count, string word, double days, bool caution)
    {
        var advice = HoldOrSpray.Of(good, "as usual here", "aphids", count, 10).Worked;
        (advice.Value.Word, advice.Value.LookAgainDays, advice.Cautions.Count > 0).ShouldBe((word, days, caution));
        advice.Value.Sentence.ShouldStartWith($"{count} aphids against a threshold of 10");
        advice.Working[1].Result.ShouldBe(good ? "well" : "low");
        HoldOrSpray.Of(good, "", new string('a', 60), count, 10).Refused.ShouldBeNull();
        HoldOrSpray.Of(good, "", new string('a', 61), count, 10).Refused!.Problems.Single().Field.ShouldBe("pest");
    }

    [Theory]
    [InlineData(20_000, "mL", "2 mL in 100 mL of water.")]
    [InlineData(19_000, "mL", "1.9 mL is too little to measure: stir 19 mL into 1 L of water and put 100 mL of that on the patch.")]
    [InlineData(10_000, "g", "1 g in 100 mL of water.")]
    [InlineData(9000, "g", "0.9 g is too little to measure: stir 9 g into 1 L of water and put 100 mL of that on the patch.")]
    [InlineData(1000, "mL", "0.1 mL is too little to measure: stir 10 mL into 10 L of water and put 100 mL of that on the patch.")]
    public void A_patchs_dose_that_can_be_measured(double perHa, string unit, string says) =>
        PatchDose.Of(perHa, unit, 1, 100).Value.Sentence.ShouldBe(says);

    [Fact]
    public void A_patchs_dose_in_the_units_of_the_holding()
    {
        PatchDose.Of(50_000, "mL", null, null).Worked.Working.Single().Figures.ShouldBe("50000 mL a hectare on 1 m²");
        var us = PatchDose.Of(50_000, "mL", 1, 100, UnitSystem.UsCustomary).Worked;
        us.Value.Sentence.ShouldContain("fl oz");
        us.Working.Single().Formula.ShouldBe("rate ÷ 43,560 × area");
        PatchDose.Of(50_000, "g", 1, 100, UnitSystem.UsCustomary).Value.Sentence.ShouldContain("oz in");
        PatchDose.Of(0, "mL", 0, 1).Refused!.Problems.Select(p => p.Field).ShouldBe(["ratePerHa", "areaM2", "waterMlPerM2"]);
    }

    private static PatchRead Patch(string name, PatchRole role, double by, string? carrier = null, int leaves = 4) => new() {
        Candidate = name, Role = role, In = carrier,
        Before = [.. Enumerable.Range(0, leaves).Select(i => 8 + (0.05 * i))],
        After = [.. Enumerable.Range(0, leaves).Select(i => 8 + (0.05 * i) + by)],
    };

    private static readonly PatchRead Water = Patch("water", PatchRole.Water, 0);

    [Theory]
    [InlineData(2.5, "yes", "+2.5 °Bx over water, give or take 0.1: a yes by the two-degree rule.")]
    [InlineData(1, "nothing seen", "+1.0 °Bx over water, give or take 0.1: some lift, but short of two.")]
    [InlineData(0, "nothing seen", "+0.0 °Bx over water, give or take 0.1: nothing seen.")]
    [InlineData(-1, "no", "−1.0 °Bx over water, give or take 0.1: it fell: a no.")]
    public void What_a_candidate_did_over_water(double by, string word, string says)
    {
        var lift = Patches.Of([Water, Patch("kelp", PatchRole.Candidate, by)]).Value.Lifts.Single();
        lift.Word.ShouldBe(word);
        lift.Sentence.ShouldBe($"{says} One patch: its spot can’t be told from its product.");
        lift.MorePatches.ShouldBeNull();
    }

    [Fact]
    public void A_winner_must_add_to_its_carrier()
    {
        PatchRead Carried(double by) => Patch("kelp", PatchRole.Candidate, by, "humic");
        var adds = Patches.Of([Water, Patch("humic", PatchRole.Carrier, 0.5), Carried(2.5)]).Value;
        adds.Winner.ShouldBe("kelp");
        adds.Lifts[0].OverCarrier!.Value.ShouldBe(2, 1e-9);
        adds.Sentence.ShouldContain("Over its carrier alone +2.0.");
        adds.Lifts[0].Sentence.ShouldEndWith("it adds to its carrier.");
        var not = Patches.Of([Water, Patch("humic", PatchRole.Carrier, 2.5), Carried(2.5)]).Value;
        not.Winner.ShouldBeNull();
        not.Sentence.ShouldStartWith("Kelp lifted the leaves, but not surely more than its carrier alone");
        not.Lifts.Single(l => l.Candidate == "kelp").Sentence.ShouldEndWith("whether it adds to its carrier can’t be told.");
        Patches.Of([Water, Patch("humic", PatchRole.Carrier, 3.5), Carried(2.5)]).Value.Lifts.Single(l => l.Candidate == "kelp").Sentence
            .ShouldEndWith("less than its carrier alone.");
        Patches.Of([Water, Patch("kelp", PatchRole.Candidate, 0)]).Value.Sentence.ShouldEndWith("Leave them on the shelf.");
    }

    [Fact]
    public void Thirty_leaves_are_read_and_one_more_is_too_many()
    {
        Patches.Of([Water, Patch("kelp", PatchRole.Candidate, 1, leaves: 30)]).Refused.ShouldBeNull();
        Patches.Of([Water, Patch("kelp", PatchRole.Candidate, 1, leaves: 31)]).Refused!.Problems.ShouldAllBe(p =>
            p.Wrong == "That is more than thirty leaves.");
        Patches.Of([Water, Patch("kelp", PatchRole.Candidate, 1, leaves: 0)]).Refused!.Problems.ShouldAllBe(p =>
            p.Wrong == "No leaf was read.");
    }

    [Theory]
    [InlineData(0.02, 0.01, 0.03, "1700 a hectare, 700 to 2700: it pays, 19 times in 20 that such an interval is drawn.")]
    [InlineData(0.02, -0.01, 0.05, "1700 a hectare, −1300 to 4700: whether it pays can’t be told yet.")]
    [InlineData(-0.02, -0.03, -0.01, "−2300 a hectare, −3300 to −1300: it does not pay for itself.")]
    [InlineData(0.02, null, null, "1700 a hectare: one look tells no more.")]
    public void What_a_difference_earns(double difference, double? low, double? high, string says) =>
        TrialWorth.Earns(new TrialMoney { CostPerHa = 300, PricePerUnit = 10 }, difference, low, high).Value.Sentence.ShouldBe(says);

    [Fact]
    public void Money_that_is_not_told_is_asked_about()
    {
        TrialWorth.Smallest(new TrialMoney { CostPerHa = 300, PricePerUnit = 2.5 }, "kg").Worked.Working.Single().Result
            .ShouldBe("0.012 kg");
        TrialWorth.Smallest(new TrialMoney { Basis = "perPound" }, "kg").Refused!.Problems.Select(p => p.Field)
            .ShouldBe(["costPerHa", "pricePerUnit", "basis"], ignoreOrder: true);
        TrialWorth.Earns(new TrialMoney { PricePerUnit = 10 }, 0.02, null, null).Value.PerHa.ShouldBe(2000, 1e-9); // it costs nothing
    }

    [Fact]
    public void How_many_plots_is_answered_for_what_was_chosen()
    {
        var seen = ReplicatesPlan.Of(Design.Blocks, 3, 5, 0.16, 0.15, "kg").Worked;
        (seen.Value.Needed, seen.Value.NeededSeen, seen.Value.For).ShouldBe((23, 23, "seen"));
        // By drawing sixty thousand such trials outside: 0.160, 0.779 and 0.801.
        new[] { 5, 22, 23 }.Select(n => seen.Value.Points[n - 1].Power).ShouldBe([0.16, 0.779, 0.801], 0.005);
        seen.Value.Points.Count.ShouldBe(40);
        seen.Value.Now.Replicates.ShouldBe(5);
        seen.Value.Sentence.ShouldEndWith(" 23 would see 0.15 kg eight times in ten.");
        var twice = ReplicatesPlan.Of(Design.Blocks, 3, 5, 0.16, 0.15, "kg", chosenFor: "twice").Value;
        (twice.For, twice.Needed).ShouldBe(("twice", twice.NeededTwice));
        twice.Needed!.Value.ShouldBeLessThan(23);
        var works = ReplicatesPlan.Of(Design.Blocks, 3, 23, 0.16, 0.15, "kg", chosenFor: "works").Value;
        works.NeededWorks.ShouldBe(23); // as far above the line as the line is above nought
        works.Sentence.ShouldEndWith("That is enough to call 0.3 kg “works” eight times in ten.");
        ReplicatesPlan.Of(Design.Blocks, 3, 5, 0.16, 0.15, "kg", chosenFor: "luck").Refused!.Problems.Single().Field.ShouldBe("chosenFor");
        ReplicatesPlan.Of(Design.Random, 1, 0, 0, 0, "").Refused!.Problems.Select(p => p.Field)
            .ShouldBe(["treatments", "replicates", "sd", "worth"], ignoreOrder: true);
    }

    [Fact]
    public void One_of_each_is_a_look_and_forty_may_be_too_few()
    {
        var one = ReplicatesPlan.Of(Design.Random, 2, 1, 0.2, 0.2, "kg").Worked;
        one.Value.Sentence.ShouldStartWith("One of each is a look, not a test. ");
        (one.Value.Now.HalfWidth, one.Value.Now.WorksAtWorth, one.Value.Now.WorksAtTwice).ShouldBe((null, 0, 0));
        one.Value.Now.Power.ShouldBe(0.025, 1e-12);
        one.Forks.Single().Chosen.ShouldBe("pair");
        ReplicatesPlan.Of(Design.Random, 2, 4, 0.2, 0.2, "kg").Worked.Forks.Single().Chosen.ShouldBe("four");
        var hopeless = ReplicatesPlan.Of(Design.Random, 2, 5, 10, 0.2, "kg").Value;
        hopeless.Needed.ShouldBeNull();
        hopeless.Sentence.ShouldContain("Forty would still be too few");
        var crossed = ReplicatesPlan.Of(Design.Factorial, 6, 4, 0.2, 0.2, "kg", compared: 2).Worked;
        crossed.Value.Averaged.ShouldBe(3);
        crossed.Working.Single().Figures.ShouldEndWith("α 0.05 ÷ 1, each side averaged over 3 cells");
    }

    [Fact]
    public void How_strong_a_look_is_line_by_line()
    {
        TrialStrength.Of(4, true, true, true, true, true, 2).Select(l => (l.Text, l.Good)).ShouldBe([("4 plots of each", true),
            ("laid out by lot", true), ("measured blind", true), ("water only beside it", true), ("2 seasons", true)]);
        TrialStrength.Of(3, false, false, false, true, false, 1).Select(l => l.Text).ShouldBe(["only 3 plots of each",
            "not laid out by lot", "whoever measured knew", "no water-only plots: plants may thank the water", "no untreated plots",
            "one season, one soil"]);
        TrialStrength.Of(1, true, true, false, false, true, 1)[0].Text.ShouldBe("one of each: a look, not a test");
        TrialStrength.Of(2, true, true, false, false, true, 1)[0].Text.ShouldBe("only 2 plots of each");
    }
}
