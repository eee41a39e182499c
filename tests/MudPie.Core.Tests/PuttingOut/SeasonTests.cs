using FsCheck.Xunit;
using MudPie.Core.PuttingOut;

namespace MudPie.Core.Tests.PuttingOut;

public class SeasonTests
{
    private static readonly DateOnly Start = new(2026, 4, 1), Harvest = new(2026, 8, 1);

    private static ProgrammeAnswer Check(params ProgrammeStep[] steps) =>
        Biostimulants.Check(new ProgrammeQuestion { Start = Start, Harvest = Harvest, AreaM2 = 36, Steps = steps }).Value;

    private static ProgrammeStep On(string kind, int day, Purpose? purpose = null) =>
        new() { Kind = kind, On = Start.AddDays(day), Purpose = purpose ?? (day < 10 ? Purpose.Root : Purpose.Leaf) };

    [Fact]
    public void Seaweed_is_proposed_while_roots_are_young_and_no_later()
    {
        var steps = Biostimulants.Propose("seaweed", Start, Harvest).Value;
        steps.Select(s => s.On).ShouldBe([new DateOnly(2026, 4, 1), new DateOnly(2026, 4, 29), new DateOnly(2026, 5, 27)]);
        Check([.. steps]).Verdict.Tone.ShouldBe(Tone.Go);
    }

    [Fact]
    public void Every_proposal_of_every_kind_passes_its_own_check()
    {
        foreach (var kind in Biostimulants.Kinds)
        {
            var steps = Biostimulants.Propose(kind.Kind, Start, Harvest).Value;
            steps.ShouldNotBeEmpty(kind.Kind);
            Check([.. steps]).Steps.ShouldAllBe(s => s.Fit == "right");
            kind.Stages.Select(s => s.Stage).ShouldBe(["start", "root", "leaf", "set", "fill"]);
        }
    }

    [Theory]
    [InlineData(0, "right")]
    [InlineData(60, "right")]
    [InlineData(70, "late")] // of 122 days: flower and set
    [InlineData(110, "wasted")]
    [InlineData(-20, "wasted")]
    [InlineData(130, "wasted")]
    public void A_giving_is_right_late_or_wasted_by_its_stage(int day, string fit) =>
        Check(On("seaweed", day)).Steps.Single().Fit.ShouldBe(fit);

    [Fact]
    public void What_a_season_misses_is_said()
    {
        Check(On("seaweed", 80)).Misses.ShouldContain(m => m.Contains("too late for the roots"));
        Check(On("seaweed", 50)).Misses.ShouldContain(m => m.Contains("begins after root growth ended"));
        Check(On("seaweed", 0), On("seaweed", 50)).Misses
            .ShouldContain("50 days of liquid seaweed between 1 Apr and 21 May: too long, its effect is gone after 28.");
        Check(On("seaweed", 0), On("seaweed", 3)).Misses.ShouldContain(m => m.Contains("again 3 days later"));
        Check(On("seaweed", 0), On("seaweed", 21)).Misses.ShouldBeEmpty();
        Check().Verdict.Sentence.ShouldContain("Nothing is laid");
    }

    [Fact]
    public void It_sums_the_product_and_the_potassium_it_brings()
    {
        var answer = Check(On("seaweed", 0), On("seaweed", 21));
        answer.Needs["liquid seaweed"].ShouldBe(2 * 2 * 36 / 10_000.0, 1e-12); // twice 2 L/ha on 36 m²
        answer.PotassiumG.ShouldBe(2 * 2 * 36 / 10_000.0 * 1100 * 0.05, 1e-9);
    }

    [Theory]
    [InlineData("Potatoes", "root or tuber set")]
    [InlineData("lettuce", "head or harvest leaves")]
    [InlineData("grass ley", "regrowth")]
    [InlineData("vines", "bud burst")]
    public void Each_crop_has_stages_of_its_own(string crop, string stage) => Biostimulants.StagesOf(crop, Start, Harvest)
        .Select(s => s.Name).ShouldContain(stage);

    [Fact]
    public void Potatoes_lettuce_pasture_and_vines_share_no_calendar()
    {
        var all = new[] { "potato", "lettuce", "pasture",
            "vine" }.Select(c => string.Join(",", Biostimulants.StagesOf(c, Start, Harvest).Select(s => s.Name))).ToList();
        all.Distinct().Count().ShouldBe(4);
        Biostimulants.StagesOf("potato", Start, Start.AddDays(110))
            .Single(s => s.Name == "bulking").From.ShouldBe(new DateOnly(2026, 6, 5));
    }

    [Fact]
    public void No_leaf_spray_is_laid_before_there_are_leaves()
    {
        var steps = Biostimulants.Propose("seaweed", Start, Harvest, "potatoes").Value;
        steps[0].Purpose.ShouldBe(Purpose.Root);
        steps.Skip(1).ShouldAllBe(s => s.Purpose == Purpose.Leaf);
        var look = Biostimulants.Check(new ProgrammeQuestion {
            Start = Start, Harvest = Harvest, AreaM2 = 36, Crop = "potatoes",
            Steps = [On("seaweed", 0, Purpose.Leaf)]
        }).Value.Steps.Single();
        look.Fit.ShouldBe("wasted");
        look.Says.ShouldContain("no leaves before");
    }

    [Fact]
    public void Stages_that_the_grower_dated_come_first()
    {
        StageFrom[] dated = [new("start", "emergence", Start), new("root", "leaf growth", Start.AddDays(5)),
            new("set", "set", Start.AddDays(10)), new("fill", "bulking", Start.AddDays(15))];
        Biostimulants.Check(new ProgrammeQuestion {
            Start = Start, Harvest = Harvest, AreaM2 = 36, Crop = "potatoes", Dated = dated,
            Steps = [On("seaweed", 30)]
        }).Value.Steps.Single().Fit.ShouldBe("wasted");
    }

    [Property(MaxTest = 100)]
    public void Moving_a_giving_changes_no_other(byte a, byte b)
    {
        var one = Check(On("fish", 10, Purpose.Root), On("amino", a % 120)).Steps.Single(s => s.Kind == "fish");
        var two = Check(On("fish", 10, Purpose.Root), On("amino", b % 120)).Steps.Single(s => s.Kind == "fish");
        two.ShouldBe(one);
    }

    [Theory]
    [InlineData("whey", Purpose.Leaf)]
    public void Nonsense_is_refused(string kind, Purpose purpose) =>
        Biostimulants.Check(new ProgrammeQuestion { Start = Start, Harvest = Harvest, AreaM2 = 36, Steps = [On(kind, 3, purpose)] }).Refused
            .ShouldNotBeNull().Problems[0].Field.ShouldBe("steps[0].kind");

    [Fact]
    public void A_harvest_before_the_start_no_dates_and_no_area_are_refused()
    {
        Biostimulants.Check(new ProgrammeQuestion { Start = Harvest, Harvest = Start, AreaM2 = 0 }).Refused.ShouldNotBeNull().Problems
            .Select(p => p.Field).ShouldBe(["harvest", "areaM2"]);
        Biostimulants.Check(new ProgrammeQuestion { AreaM2 = double.NaN }).Refused.ShouldNotBeNull().Problems.Count.ShouldBe(3);
        Biostimulants.Propose("whey", null, null).Refused.ShouldNotBeNull().Problems.Count.ShouldBe(3);
    }

    [Fact]
    public void Dried_and_liquid_are_compared_by_the_hectare()
    {
        var answer = DriedOrLiquid.Of(2, 4, 7.2, 150, 1.8, wet: true).Value;
        answer.LiquidPerHa.ShouldBe(57.6, 1e-9);
        answer.DriedPerHa.ShouldBe(270, 1e-9);
        answer.Verdict.Sentence.ShouldBe("Liquid is cheaper: 57.6 against 270 a hectare.");
        answer.Verdict.Why.ShouldContain("two or three weeks");
        DriedOrLiquid.Of(-1, 0, double.NaN, 150, null, false).Refused.ShouldNotBeNull().Problems.Count.ShouldBe(4);
    }
}
