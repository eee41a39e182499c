using MudPie.Core.Brewing;

namespace MudPie.Core.Tests.Brewing;

/// <summary>The gate of a brew and the gate of a source, case by case.</summary>
public class GateTests
{
    private static BrewSeen Sound => new() {
        IsTea = true, NowH = 20, StripMgPerL = 0, Oxygen = [new(3, 8.1), new(12, 6.4), new(18, 7.2)],
        Smells = [new(12, Smell.Earthy)], Foams = [new(12, Foam.Little)]
    };

    public static TheoryData<string, Fitness, string> Cases => new()
    {
        { "sound", Fitness.Fit, "Oxygen never read below 6.4" },
        { "strip", Fitness.NotFit, "0.3 mg/L of chlorine" },
        { "no strip", Fitness.Fit, "No strip was read" },
        { "low", Fitness.NotFit, "Oxygen was 5.9 mg/L at 12 h" },
        { "low in the first hour", Fitness.Fit, "The strip read zero" },
        { "sour", Fitness.NotFit, "smelt sour" },
        { "rotten", Fitness.NotFit, "rotten eggs" },
        { "putrid", Fitness.NotFit, "putrid" },
        { "alcohol", Fitness.NotFit, "sharp alcohol" },
        { "foam over", Fitness.NotFit, "over the side" },
        { "foam thick", Fitness.Fit, "earthy" },
        { "source", Fitness.NotFit, "source was judged unfit" },
        { "germs", Fitness.NotFit, "gut germs" },
        { "old", Fitness.NotFit, "past 36 h" },
        { "extract, old", Fitness.NotFit, "an extract is used within a day" },
        { "extract, fresh", Fitness.Fit, "strip read zero" },
        { "tea low in the first hour and nothing after", Fitness.Unseen, "read 3.0 mg/L at 54 min" },
        { "tea read in the first hour only", Fitness.Unseen, "first hour only" },
        { "extract of three days", Fitness.NotFit, "70 h ago" },
        { "expected low since", Fitness.Unseen, "the model expects 5.1" },
        { "expected well since", Fitness.Fit, "the model expects 7.1" },
        { "counted", Fitness.Fit, "microscope" },
        { "held too long", Fitness.NotFit, "the hold is over" },
        { "held a little", Fitness.Fit, "strip read zero" },
        { "unseen", Fitness.Unseen, "Nobody measured its oxygen" },
        { "unseen and sour", Fitness.NotFit, "sour" },
        { "probe only", Fitness.Fit, "probe never read below 6.8" },
        { "probe low", Fitness.NotFit, "5.2" },
        { "feed", Fitness.Feed, "without air" },
        { "feed of a bad source", Fitness.NotFit, "source was judged unfit" },
    };

    private static BrewSeen Seen(string name) => name switch {
        "strip" => Sound with { StripMgPerL = 0.3 },
        "no strip" => Sound with { StripMgPerL = null },
        "low" => Sound with { Oxygen = [new(3, 8), new(12, 5.9)] },
        "low in the first hour" => Sound with { Oxygen = [new(0.5, 5.5), new(12, 7)] },
        "sour" => Sound with { Smells = [new(9, Smell.Sour)] },
        "rotten" => Sound with { Smells = [new(9, Smell.RottenEgg)] },
        "putrid" => Sound with { Smells = [new(9, Smell.Putrid)] },
        "alcohol" => Sound with { Smells = [new(9, Smell.Alcohol)] },
        "foam over" => Sound with { Foams = [new(9, Foam.Over)] },
        "foam thick" => Sound with { Foams = [new(9, Foam.Thick)] },
        "source" => Sound with { SourceUnfit = true },
        "germs" => Sound with { PathogenFound = true },
        "old" => Sound with { NowH = 36.5 },
        "extract, old" => Sound with { IsTea = false, NowH = 40 },
        "extract, fresh" => Sound with { IsTea = false, NowH = 20 },
        "tea low in the first hour and nothing after" => Sound with { Oxygen = [new(0.9, 3.0)] },
        "tea read in the first hour only" => Sound with { Oxygen = [new(0.9, 7.0)] },
        "extract of three days" => Sound with { IsTea = false, Dunked = true, NowH = 70, Oxygen = [] },
        "expected low since" => Sound with { NowH = 24, Expected = new(5.1, 4.2, 6.0, 5.1, true) },
        "expected well since" => Sound with { NowH = 24, Expected = new(7.1, 6.5, 7.6, 6.9, true) },
        "counted" => Sound with { Oxygen = [], CountedAtH = [15] },
        "held too long" => Sound with { AirOffH = 18, GraceMinutesTo6 = 90 },
        "held a little" => Sound with { AirOffH = 19.5, GraceMinutesTo6 = 90 },
        "unseen" => Sound with { Oxygen = [] },
        "unseen and sour" => Sound with { Oxygen = [], Smells = [new(9, Smell.Sour)] },
        "probe only" => Sound with { Oxygen = [], Probe = [new(5, 8), new(11, 6.8)] },
        "probe low" => Sound with { Probe = [new(11, 5.2)] },
        "feed" => Sound with { IsFeed = true, IsTea = false },
        "feed of a bad source" => Sound with { IsFeed = true, IsTea = false, SourceUnfit = true },
        _ => Sound,
    };

    [Theory]
    [MemberData(nameof(Cases))]
    public void A_brew_is_ruled_on_with_its_reason(string name, Fitness fitness, string because)
    {
        var ruling = FitToUse.Judge(Seen(name)).Value;
        ruling.Fitness.ShouldBe(fitness, name);
        string.Join(" ", ruling.Reasons.Append(ruling.Sentence)).ShouldContain(because, Case.Insensitive, name);
        if (fitness == Fitness.NotFit)
        {
            ruling.Sentence.ShouldStartWith("Heap it");
            ruling.MinutesLeft.ShouldBeNull();
        }
    }

    [Fact]
    public void The_hold_is_the_brews_own_and_never_over_eight_hours()
    {
        FitToUse.Judge(Sound with { AirOffH = 20, GraceMinutesTo6 = 5000 }).Value.MinutesLeft.ShouldBe(480);
        FitToUse.Judge(Sound with { AirOffH = 19, GraceMinutesTo6 = 100 }).Value.MinutesLeft!.Value.ShouldBe(40, 1e-9);
        FitToUse.Judge(Sound).Value.MinutesLeft.ShouldBeNull();
    }

    private static SourceAnswers Good => new() {
        Kind = "compost", HeatsWhenTurned = "no", HeatRecord = "kept", AgeMonths = 12,
        Manure = "none", Diseased = "no", Sterilised = "no", Moisture = "wrungOut", Smell = Smell.Earthy
    };

    public static TheoryData<string, SourceFitness> Lots => new()
    {
        { "good", SourceFitness.Fit },
        { "castings with no heat known", SourceFitness.Fit },
        { "young", SourceFitness.Mind },
        { "old", SourceFitness.Mind },
        { "dry", SourceFitness.Mind },
        { "wet", SourceFitness.Mind },
        { "sterilised", SourceFitness.Mind },
        { "cold heap", SourceFitness.Mind },
        { "manure through the heat", SourceFitness.Mind },
        { "counted low", SourceFitness.Mind },
        { "manure, heat only felt", SourceFitness.Unfit },
        { "raw manure", SourceFitness.Unfit },
        { "sick plants", SourceFitness.Unfit },
        { "still hot", SourceFitness.Unfit },
        { "sour", SourceFitness.Unfit },
        { "no word on manure", SourceFitness.Unasked },
        { "no word on smell", SourceFitness.Unasked },
        { "raw manure and nothing else known", SourceFitness.Unfit },
    };

    private static SourceAnswers Lot(string name) => name switch {
        "castings with no heat known" => Good with { Kind = "castings", HeatRecord = null },
        "young" => Good with { AgeMonths = 2 },
        "old" => Good with { AgeMonths = 30 },
        "dry" => Good with { Moisture = "dry" },
        "wet" => Good with { Moisture = "wet" },
        "sterilised" => Good with { Sterilised = "yes" },
        "cold heap" => Good with { HeatRecord = "cold" },
        "manure through the heat" => Good with { Manure = "composted" },
        "counted low" => Good with { BacteriaPerG = 1e6 },
        "manure, heat only felt" => Good with { Manure = "composted", HeatRecord = "felt" },
        "raw manure" => Good with { Manure = "raw" },
        "sick plants" => Good with { Diseased = "yes" },
        "still hot" => Good with { HeatsWhenTurned = "yes" },
        "sour" => Good with { Smell = Smell.Sour },
        "no word on manure" => Good with { Manure = null },
        "no word on smell" => Good with { Smell = null },
        "raw manure and nothing else known" => new SourceAnswers { Manure = "raw" },
        _ => Good,
    };

    [Theory]
    [MemberData(nameof(Lots))]
    public void A_lot_is_ruled_on(string name, SourceFitness fitness)
    {
        var ruling = SourceGate.Judge(Lot(name)).Value;
        ruling.Fitness.ShouldBe(fitness, name);
        ruling.Reasons.Count.ShouldBe(fitness == SourceFitness.Unasked ? 0 : Math.Max(ruling.Reasons.Count, 1));
        ruling.Sentence.ShouldEndWith(".");
    }

    public static TheoryData<int> Starting => [.. Enumerable.Range(0, 18)];

    [Theory]
    [MemberData(nameof(Starting))]
    public void Every_place_to_start_becomes_a_plan_whose_air_is_judged(int i)
    {
        var recipe = Recipes.ScaledTo(Recipes.Starting[i], 17);
        var now = new DateTimeOffset(2026, 6, 10, 5, 0, 0, TimeSpan.Zero);
        var plan = BrewPlan.Of(
            new BrewPlanQuestion {
                Beds = [new PlanBed { Name = "Ridge Bed 4", AreaM2 = 150 }],
                Purpose = recipe.Purpose,
                UseAt = now.AddHours(60),
                Now = now,
                VesselWorkingL = 17,
                VesselDepthM = 0.28,
                PumpOpenLpm = 9,
                PumpShutOffKPa = 20,
                Diffuser = "airStone",
                ChlorineMgPerL = 0,
                WarmthC = 18,
                Making = recipe.Making,
                Bias = recipe.Bias,
                Source = recipe.Sources![0].Kind,
                SourceL = recipe.Sources[0].Litres,
                Foods = recipe.Foods,
                BrewL = 17,
                Members = 20,
            },
            at => at).Worked;
        plan.Value.Bias.ShouldBe(recipe.Bias!.Value);
        plan.Value.Source.Kind.ShouldBe(recipe.Sources[0].Kind);
        plan.Value.Foods.Count.ShouldBe(recipe.Foods!.Count);
        plan.Value.Nutrients.ShareN.ShouldBeLessThan(0.01);
        plan.Forks.Select(f => f.Id).ShouldContain("bias");
        plan.Value.Steps.Zip(plan.Value.Steps.Skip(1)).ShouldAllBe(p => p.First.At <= p.Second.At);
    }
}
