using FsCheck.Xunit;
using MudPie.Core.Judging.Reckoning;
using MudPie.Core.Judging.Trials;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.Judging.Reckoning;

/// <summary>What a practice was worth: the best rung, the word by its interval, and no word stronger than that.</summary>
public class WorthTests
{
    private static FoundWorth Trial(double difference, double half, double? perHa = 20_000, string unit = "kg a metre") =>
        new("own trial, 15 plots", difference, unit) { Lower = difference - half, Upper = difference + half, PerHa = perHa, TrialId = 1 };

    private static WorthAsked Asked(double? cost, params FoundWorth[] own) => new() { Name = "tea on garlic", CostPerHa = cost, Own = own };

    [Fact]
    public void An_own_trial_is_its_difference_by_the_price_less_the_cost()
    {
        var told = Worth.Of(Asked(450, Trial(0.17, 0.19)));
        var row = told.Value;
        (row.Rung, row.Word, row.Unit).ShouldBe((Rung.Own, ReckonWord.TestAgain, ""));
        row.Mean.ShouldBe((0.17 * 20_000) - 450, 1e-9);
        row.Lower.ShouldBe((-0.02 * 20_000) - 450, 1e-9);
        row.Sd.ShouldBe(0.19 * 20_000 / 1.959963984540054, 1e-6);
        told.Working.ShouldContain(l => l.Name == "after its cost");
        told.Sure.ShouldBe(Evidence.MeasuredHere);
        Worth.Of(Asked(450, Trial(0.3, 0.1))).Value.Word.ShouldBe(ReckonWord.Keep);
        Worth.Of(Asked(450, Trial(-0.1, 0.1))).Value.Word.ShouldBe(ReckonWord.Drop);
        Worth.Of(Asked(9000, Trial(0.3, 0.1))).Value.Word.ShouldBe(ReckonWord.Drop); // it works, and can't repay
    }

    [Fact]
    public void Where_less_is_better_fewer_counts_for_it()
    {
        var fewer = Trial(-3, 1, null, "pests a plant") with { LowerIsBetter = true, WorthHaving = 1 };
        var row = Worth.Of(Asked(100, fewer)).Value;
        (row.Mean, row.Lower, row.Upper, row.Word).ShouldBe((3, 2, 4, ReckonWord.Keep));
        row.Unit.ShouldBe("pests a plant");
        Worth.Of(Asked(100, fewer with { WorthHaving = 2.5 })).Value.Word.ShouldBe(ReckonWord.TestAgain);
        Worth.Of(Asked(100, fewer with { WorthHaving = 5 })).Value.Word.ShouldBe(ReckonWord.Drop);
    }

    [Fact]
    public void Several_own_trials_are_put_together_as_sites_are()
    {
        FoundWorth[] three = [Trial(0.17, 0.19), Trial(0.05, 0.12), Trial(0.21, 0.2)];
        var row = Worth.Of(Asked(450, three)).Value;
        var pooled = CombineTrials.Of(new CombineQuestion {
            Results = [.. three.Select(t => new SiteResult {
            Yi = t.Difference * 20_000, Vi = Math.Pow((t.Upper!.Value - t.Lower!.Value) / 2 / 1.959963984540054 * 20_000, 2) })]
        }).Value;
        row.Mean.ShouldBe(pooled.Estimate - 450, 1e-6);
        (row.Lower, row.Upper).ShouldBe((pooled.Lower - 450, pooled.Upper - 450));
        row.Tau!.Value.ShouldBe(Math.Sqrt(pooled.Tau2), 1e-9);
        row.Evidence.ShouldBe("3 own trials together");
    }

    [Fact]
    public void The_best_rung_that_there_is_decides()
    {
        var garden = new FoundWorth("Gorse Hill, garlic", 0.09, "kg a metre") { Lower = -0.05, Upper = 0.23, PerHa = 20_000 };
        var published = new PublishedEffect("tea-feeds", -8, 8, Evidence.Contested, "Trials disagree.", ["tea"]);
        var all = Asked(450, Trial(0.17, 0.19)) with { Together = [garden, garden], Published = published, CropPerHa = 30_000 };
        Worth.Of(all).Value.Rung.ShouldBe(Rung.Own);
        Worth.Of(all with { Own = [] }).Value.Rung.ShouldBe(Rung.Together);
        var paper = Worth.Of(all with { Own = [], Together = [] }).Value;
        (paper.Rung, paper.Lower, paper.Upper, paper.Word).ShouldBe((Rung.Published, -2850, 1950, ReckonWord.TestOrDrop));
        Worth.Of(all with { Own = [], Together = [], CropPerHa = 2000 }).Value.Word.ShouldBe(ReckonWord.Drop); // 160 at the most
        Worth.Of(Asked(450)).Value.Rung.ShouldBe(Rung.Nobody);
        // a look is no test, and falls to what is known elsewhere
        var look = Trial(0.3, 0) with { Lower = null, Upper = null, Why = "One of each." };
        Worth.Of(Asked(450, look)).Value.ShouldSatisfyAllConditions(r => r.Rung.ShouldBe(Rung.Nobody),
            r => r.Word.ShouldBe(ReckonWord.TestOrDrop), r => r.Evidence.ShouldBe("own trial, 15 plots"));
    }

    [Fact]
    public void Where_nobody_knows_the_net_lies_about_its_cost()
    {
        var row = Worth.Of(Asked(400)).Value;
        (row.Mean, row.Sd, row.Word).ShouldBe((-400, 800, ReckonWord.TestOrDrop));
        row.Upper.ShouldBe(-400 + (1.959963984540054 * 800), 1e-9);
    }

    [Fact]
    public void What_costs_an_unknown_sum_or_nothing_is_told_so_and_never_kept()
    {
        var unknown = Worth.Of(Asked(null, Trial(0.5, 0.1))).Value;
        (unknown.Word, unknown.Priced).ShouldBe((ReckonWord.TestAgain, false));
        unknown.Why!.ShouldContain("not known");
        Worth.Of(Asked(null)).Value.Why!.ShouldContain("not known");
        Worth.Of(Asked(0)).Value.Why!.ShouldContain("hour of yours");
        var percent = Worth.Of(Asked(300) with { Published = PublishedEffects.Of("liquid seaweed") }).Value;
        (percent.Unit, percent.Word).ShouldBe(("% of yield", ReckonWord.TestOrDrop));
        Worth.Of(Asked(300) with { Published = new("x", 2, 9, Evidence.PublishedTrials, "", []) }).Value.Word
            .ShouldBe(ReckonWord.TestOrDrop); // before any cost, paper keeps nothing
    }

    [Property(MaxTest = 300)]
    public void A_wider_interval_never_turns_test_into_keep(short mean, ushort half, ushort wider, ushort cost)
    {
        var (narrow, wide) = (Worth.Of(Asked(cost, Trial(mean / 100.0, (half / 100.0) + 0.01))).Value,
            Worth.Of(Asked(cost, Trial(mean / 100.0, (half / 100.0) + 0.01 + (wider / 100.0)))).Value);
        if (narrow.Word is ReckonWord.TestAgain or ReckonWord.TestOrDrop)
        {
            wide.Word.ShouldBe(narrow.Word);
        }

        (wide.Word is ReckonWord.Keep or ReckonWord.Drop && wide.Word != narrow.Word).ShouldBeFalse();
    }

    [Property(MaxTest = 300)]
    public void No_row_claims_more_than_its_evidence(short mean, ushort half, ushort cost, bool unpriced, bool known)
    {
        var row = Worth.Of(Asked(known ? cost : null, Trial(mean / 100.0, (half / 100.0) + 0.01, unpriced ? null : 500))).Value;
        if (row.Word == ReckonWord.Keep)
        {
            row.Lower.ShouldBeGreaterThan(0);
            (row.Priced || unpriced).ShouldBeTrue();
        }

        row.Word.ShouldNotBe(ReckonWord.TestOrDrop); // an own trial stands
        row.Lower.ShouldBeLessThanOrEqualTo(row.Mean + 1e-9);
        row.Mean.ShouldBeLessThanOrEqualTo(row.Upper + 1e-9);
    }

    private static TryAsked Doubt(WorthRow row, double cost) =>
        new() { Row = row, CostPerHa = cost, Hectares = 0.5, Years = 5, Hourly = 12, CropPerHa = 30_000, StuffPerM2 = 0.02 };

    [Fact]
    public void A_trial_is_thought_of_with_the_plots_that_leave_most()
    {
        var row = Worth.Of(Asked(450, Trial(0.03, 0.19))).Value;
        var told = ToTryOf.Of(Doubt(row, 450) with { NoisePerHa = 0.16 * 20_000, NoiseSays = "own trial" }, new UsualMinutes()).Value;
        told.PlotsOfEach.ShouldBeInRange(ToTryOf.Fewest, ToTryOf.Most);
        told.Spread.ShouldBe(row.Sd / 2, 1e-9);
        told.NewSe.ShouldBe(Math.Sqrt((told.OwnSe * told.OwnSe) + (told.Spread * told.Spread)), 1e-9);
        var bench = ReplicatesPlan.Of(Design.Blocks, 2, told.PlotsOfEach, 3200, 450, "").Value.Now;
        told.OwnSe.ShouldBe(bench.HalfWidth!.Value / 1.959963984540054, 1e-9);
        ReplicatesPlan.HalfWidth(3, 5, 0.16).ShouldBe(0.2784, 5e-5);
        var plots = 2 * told.PlotsOfEach;
        told.Hours.ShouldBe((60 + (plots * (6 + (2 * 3))) + (told.PlotsOfEach * 3)) / 60.0, 1e-9);
        told.Cost.ShouldBe((told.Hours * 12) + told.Stuff, 1e-9);
        told.Told.ShouldBe(FindingOut.Of(new WorthQuestion {
            MeanPerHa = row.Mean, SePerHa = row.Sd, NewSePerHa = told.NewSe,
            Hectares = 0.5, Years = 5, CostOfTrial = told.Cost
        }).Value);
        told.Says.ShouldContain("it leaves");
        told.PlotsOfEach.ShouldBeGreaterThan(ToTryOf.Fewest); // more plots pay here
    }

    [Fact]
    public void On_too_little_ground_leaving_off_is_cheaper_than_finding_out()
    {
        var nobody = Worth.Of(Asked(400)).Value;
        var small = ToTryOf.Of(Doubt(nobody, 400) with { Hectares = 0.001 }, new UsualMinutes()).Value;
        (small.CheaperToStop, small.Told.Net < 0).ShouldBe((true, true));
        small.Says.ShouldContain("cheaper to leave the thing off");
        ToTryOf.Of(Doubt(nobody, 400) with { Hectares = 50 }, new UsualMinutes()).Value.CheaperToStop.ShouldBeFalse();
        var leans = Worth.Of(Asked(10, Trial(0.17, 0.19))).Value;
        ToTryOf.Of(Doubt(leans, 10) with { Hectares = 0.0001 }, new UsualMinutes()).Value.Says.ShouldContain("go on as you do");
    }

    [Fact]
    public void What_has_no_money_or_no_ground_can_be_given_no_trial_worth()
    {
        var pests = Worth.Of(Asked(100, Trial(-3, 1, null, "pests a plant") with { LowerIsBetter = true })).Value;
        ToTryOf.Of(Doubt(pests, 100), new UsualMinutes()).Refused.ShouldNotBeNull();
        var row = Worth.Of(Asked(400)).Value;
        ToTryOf.Of(Doubt(row, 400) with { Hectares = 0 }, new UsualMinutes()).Refused!.Problems[0].Field.ShouldBe("hectares");
        ToTryOf.Of(Doubt(row, 400) with { Years = 0 }, new UsualMinutes()).Refused.ShouldNotBeNull();
        ToTryOf.Of(Doubt(row, 0) with { CropPerHa = null, NoisePerHa = 0 }, new UsualMinutes()).Value.Told.WorthOfTrial
            .ShouldBeGreaterThanOrEqualTo(0);
    }

    [Property(MaxTest = 40)]
    public void One_seasons_trial_is_never_worth_as_much_as_the_truth(ushort cost, byte hectares)
    {
        var c = cost + 1.0;
        var told = ToTryOf.Of(Doubt(Worth.Of(Asked(c)).Value, c) with { Hectares = (hectares + 1) / 10.0 }, new UsualMinutes()).Value;
        told.Told.WorthOfTrial.ShouldBeLessThan(told.Told.WorthOfKnowing);
        told.Told.ChanceItPays.ShouldBe(0.3085, 0.001); // −c give or take 2c
    }

    [Theory]
    [InlineData("kg a m²", 24_000)]
    [InlineData("kg a metre", 20_000)]
    [InlineData("kg a plot", 12_000)]
    [InlineData("t a hectare", 2400)]
    [InlineData("lb an acre", 2.4 * 0.45359237 * 10_000 / 4046.8564224)]
    [InlineData("lb a sq ft", 2.4 * 0.45359237 * 10_000 / 0.09290304)]
    [InlineData("lb a foot", 2.4 * 0.45359237 / 0.3048 / 1.2 * 10_000)]
    public void A_yield_by_weight_has_the_crops_price(string unit, double want) =>
        TrialWorth.PerHa(unit, 2.4, 2, 1.2)!.Value.ShouldBe(want, want * 1e-9);

    [Fact]
    public void What_is_no_yield_or_wants_a_plot_nobody_measured_has_none()
    {
        TrialWorth.PerHa("°Bx", 2.4, 2, 1.2).ShouldBeNull();
        TrialWorth.PerHa("kg a plot", 2.4, null, null).ShouldBeNull();
        TrialWorth.PerHa(new TrialMoney { PricePerUnit = 2.4, Basis = "perPlot", PlotM2 = 1.2 })!.Value.ShouldBe(20_000, 1e-9);
        TrialWorth.PerHa(new TrialMoney { CostPerHa = 300 }).ShouldBeNull();
        TrialWorth.PerHa((TrialMoney?)null).ShouldBeNull();
    }
}
