using MudPie.Core.Judging.Claims;
using MudPie.Core.Judging.Trials;

namespace MudPie.Core.Tests.Judging;

/// <summary>Claims: cards, and what results say of them.</summary>
public sealed class ClaimTests
{
    private static ClaimCard Card(string key) => ClaimCards.House.Single(c => c.Key == key);

    private static TriedTrial Trial(string question, params (string Of, Finding Word)[] things) => new(1, question,
        new DateOnly(2026, 6, 1), [.. things.Select(t => new TriedThing(t.Of, t.Word, "As told."))]);

    [Fact]
    public void The_house_s_cards_are_whole_and_each_may_be_edited()
    {
        Assert.True(ClaimCards.House.Count >= 24);
        Assert.Equal(ClaimCards.House.Count, ClaimCards.House.Select(c => c.Key).Distinct().Count());
        Assert.All(ClaimCards.House, c =>
        {
            Assert.Null(ClaimReading.Of(ClaimReading.Asked(c), c.Key, c).Refused);
            Assert.True(c.Template is null || TrialTemplates.All.Any(t => t.Id == c.Template), c.Template);
        });
    }

    [Theory]
    [InlineData(ClaimToward.Good, Finding.Works, FoundSays.For)]
    [InlineData(ClaimToward.Good, Finding.NoUse, FoundSays.Against)]
    [InlineData(ClaimToward.Good, Finding.Harm, FoundSays.Against)]
    [InlineData(ClaimToward.Harm, Finding.Harm, FoundSays.For)]
    [InlineData(ClaimToward.Nothing, Finding.NoUse, FoundSays.For)]
    [InlineData(ClaimToward.Nothing, Finding.Works, FoundSays.Against)]
    [InlineData(ClaimToward.Good, Finding.CannotTell, FoundSays.CannotTell)]
    public void A_verdict_speaks_by_what_the_claim_says(ClaimToward toward, Finding word, FoundSays says) =>
        Assert.Equal(says, ClaimFinds.Says(toward, word));

    [Fact]
    public void The_comparison_that_names_it_alone_is_taken()
    {
        var crossed = Trial("Do seaweed and a granule lift dahlias?", ("no seaweed, mycorrhiza", Finding.Some),
            ("seaweed, mycorrhiza", Finding.NoUse),
            ("seaweed, no mycorrhiza", Finding.Works));
        Assert.Equal(FoundSays.For, Assert.Single(ClaimFinds.OfTrials(Card("seaweed-yield"), [crossed])).Says);
        Assert.Equal(FoundSays.Against, Assert.Single(ClaimFinds.OfTrials(Card("seaweed-myco"), [crossed])).Says); // wants both
        Assert.Empty(ClaimFinds.OfTrials(Card("rock-dust"), [crossed]));
    }

    [Theory]
    [InlineData("rock-dust", "Does it lift oats?", "rock dust", 1)]
    [InlineData("grounds-ants", "Do grounds keep them off?", "plants with grounds", 0)] // "plants" is no ant
    [InlineData("grounds-ants", "Do grounds keep ants off?", "grounds", 1)]
    [InlineData("char-water", "Does char lift beetroot?", "5 % char", 0)] // tried for height, and not for water
    [InlineData("char-water", "Does char put off wilting?", "5 % char", 1)]
    [InlineData("char-charged", "Does charged char lift beetroot?", "charged char", 0)] // against none, and not against raw
    [InlineData("castings-hormones", "Do castings lift fennel?", "10 % castings", 0)] // most of that is feed and air
    [InlineData("moon", "Does stirred horn manure lift garlic?", "horn manure", 0)]
    [InlineData("water-did-it", "Does tea lift garlic?", "water only", 1)]
    public void A_trial_speaks_of_a_claim_only_where_it_tried_it(string claim, string question, string thing, int speaks) =>
        Assert.Equal(speaks, ClaimFinds.OfTrials(Card(claim), [Trial(question, (thing, Finding.Works))]).Count);

    [Fact]
    public void Water_alone_that_works_bears_out_that_it_was_the_water()
    {
        Assert.Equal(FoundSays.For, Assert.Single(ClaimFinds.OfTrials(Card("water-did-it"), [Trial("Tea?", ("water only", Finding.Works))]))
            .Says);
    }

    [Fact]
    public void Square_metres_lie_beside_sprays_and_bear_out_none()
    {
        var patch = new TriedPatch(3, new DateOnly(2026, 6, 1), "Ridge Bed 6", [("liquid kelp", "kelpLiquid", 2.4, "yes"), ("castings tea",
            "other", -1.2, "no")]);
        foreach (var (claim, lift) in new[] { ("seaweed-yield", "+2.4 °Bx"), ("tea-feeds", "−1.2 °Bx") })
        {
            var found = Assert.Single(ClaimFinds.OfPatches(Card(claim), [patch]));
            Assert.Equal(FoundSays.CannotTell, found.Says);
            Assert.Contains(lift, found.Text);
        }

        Assert.Empty(ClaimFinds.OfPatches(Card("castings-hormones"), [patch]));
    }

    [Fact]
    public void Sheets_speak_of_castings_and_of_soil()
    {
        var on = new DateOnly(2026, 6, 1);
        Assert.Equal([FoundSays.For, FoundSays.Against], ClaimFinds.OfCastings("k", [(1, "a", on, 6.9), (2, "b", on, 5.8)])
            .Select(f => f.Says));
        Assert.Equal([FoundSays.For, FoundSays.Against, FoundSays.CannotTell], ClaimFinds.OfSoilPh("k", [(1, "a", on, 7.4, 6.9, 4, 9),
            (2, "b", on, 7.2, 7.2, 4, 9), (3, "c", on, 7.2, 7.1, 2, 3), (4, "d", on, 7.2, 6.2, 4, 0)]).Select(f => f.Says));
    }

    [Fact]
    public void Pests_beside_brix_by_ranks()
    {
        // Spearman by hand: ranks 1..5 against 2 1 4 3 5: 1 − 6 × 4 ÷ (5 × 24) = 0.8
        Assert.Equal(0.8, ClaimFinds.Ranked([1, 2, 3, 4, 5], [20, 10, 40, 30, 50]), 12);
        Assert.Equal(0, ClaimFinds.Ranked([1, 2, 3], [4, 4, 4]));
        // Fisher's z at 0.8 and ten pairs: tanh(1.0986 ± 1.96 × 1.03 ÷ √7) = 0.3235 to 0.953
        var (low, high) = ClaimFinds.Interval(0.8, 10);
        Assert.Equal(0.3235, low, 4);
        Assert.Equal(0.953, high, 3);
        List<(double, double)> falling = [.. Enumerable.Range(1, 8).Select(i => ((double)i, 20.0 - i))];
        Assert.Equal(FoundSays.For, Assert.Single(ClaimFinds.OfPests("k", falling, default)).Says);
        Assert.Equal(FoundSays.CannotTell, Assert.Single(ClaimFinds.OfPests("k", falling[..4], default)).Says);
        Assert.Empty(ClaimFinds.OfPests("k", falling[..2], default));
    }

    [Fact]
    public void What_was_found_is_summed_in_a_sentence()
    {
        ClaimFound F(FoundSays says, string of) => new("k", says, "", default, of, null);
        Assert.Equal("Nothing was found here yet.", ClaimFinds.Sum([]));
        Assert.Equal("Here 2 for it and 1 against; neighbours: 1 can’t tell.", ClaimFinds.Sum([F(FoundSays.For, "trial"), F(FoundSays.For,
            "trial"), F(FoundSays.Against, "sheets"), F(FoundSays.CannotTell, "neighbour")]));
    }
}
