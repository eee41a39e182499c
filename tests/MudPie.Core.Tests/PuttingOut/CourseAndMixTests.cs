using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.PuttingOut;

public class CourseAndMixTests
{
    private static CourseQuestion Course => new() {
        Species = [new LabelSpecies { Name = "one", Count = 6e7 }, new LabelSpecies { Name = "two", Count = 4e7 }],
        LabelPer = "mL",
        Kind = LifeForm.Spores,
        LabelDose = 10,
        LabelEveryDays = 14,
    };

    [Fact]
    public void A_stretched_interval_thins_it_and_says_what_would_make_up()
    {
        var course = InoculantCourse.Of(Course with { EveryDays = 28 }).Value;
        course.PerWeek.ShouldBe(2.5e8, 1);
        course.LabelPerWeek.ShouldBe(5e8);
        course.Share!.Value.ShouldBe(0.5, 1e-9);
        course.MakeUp!.Value.ShouldBe(20, 1e-9);
        course.Verdict.Sentence.ShouldBe("Thinned to 50 % of the label's organisms a week.");
    }

    [Fact]
    public void By_the_label_and_fresh_it_keeps_up() => InoculantCourse.Of(Course).Value.Verdict.Tone.ShouldBe(Tone.Go);

    [Fact]
    public void A_warm_old_bottle_of_living_cells_thins_it_too()
    {
        // 45 days at 30 °C is 90 at 20: one half-life
        var course = InoculantCourse.Of(Course with { Kind = LifeForm.Living, AgeDays = 45, KeptC = 30 }).Value;
        course.Share!.Value.ShouldBe(0.5, 1e-9);
        course.Verdict.Why.ShouldContain("50 % are still alive");
    }

    [Fact]
    public void A_season_runs_from_seedling_to_harvest_by_stage()
    {
        // 84 days: seven doses
        var course = InoculantCourse.Of(Course with {
            From = new DateOnly(2026, 4, 1),
            Harvest = new DateOnly(2026, 6, 24),
            Price = 38
        }).Value;
        course.Doses.Count.ShouldBe(7);
        course.Doses[0].Stage.ShouldBe("seedling or transplant");
        course.Doses[^1].Stage.ShouldBe("filling");
        course.Total.ShouldBe(70, 1e-9);
        course.Cost!.Value.ShouldBe(70 / 1000.0 * 38, 1e-9);
    }

    [Theory]
    [InlineData("beetroot", "beetroot")]
    [InlineData("Savoy cabbage", "cabbage")]
    [InlineData("chard", "chard")]
    [InlineData("garlic", null)]
    public void Crops_that_do_not_host_mycorrhiza_are_known(string crop, string? word)
    {
        InoculantCourse.NonHost(crop).ShouldBe(word);
        var course = InoculantCourse.Of(Course with {
            Kind = LifeForm.Propagules,
            Crop = crop,
            From = new DateOnly(2026, 4, 1),
            Harvest = new DateOnly(2026, 8, 1)
        }).Value;
        course.Verdict.Tone.ShouldBe(word is null ? course.Verdict.Tone : Tone.Stop);
        course.Doses.Count.ShouldBe(1); // once, at the roots
        if (word is null)
        {
            course.Host.ShouldNotBeNull().ShouldContain("must touch roots");
        }
    }

    [Fact]
    public void A_count_without_its_per_is_asked_about() =>
        InoculantCourse.Of(Course with { LabelPer = null }).Refused.ShouldNotBeNull().Problems.ShouldHaveSingleItem().WayOut
            .ShouldContain("per mL or per g");

    [Theory]
    [InlineData(-1, 14, "dose")]
    [InlineData(double.NaN, 14, "dose")]
    [InlineData(10, 0, "everyDays")]
    [InlineData(10, 1e9, "everyDays")]
    public void Nonsense_in_a_course_is_refused(double dose, double every, string field) =>
        InoculantCourse.Of(Course with { Dose = dose, EveryDays = every }).Refused.ShouldNotBeNull().Problems.ShouldHaveSingleItem().Field
            .ShouldBe(field);

    [Theory]
    [InlineData(true, 24, 24)]
    [InlineData(true, 15, 48)]
    [InlineData(false, 24, 72)]
    public void A_tank_with_feeds_is_used_within_a_day_or_two(bool feeds, double celsius, int hours) =>
        FeedTank.Of(feeds, celsius).Value.Sentence.ShouldBe($"Use the tank within {hours} h.");

    private static MixAnswer Mix(string a, string b) =>
        MixingRules.Of(new MixQuestion { Tank = [new MixItem(a, a), new MixItem(b, b)], ChlorineMgPerL = 0 }).Value;

    [Theory]
    [InlineData("brew", "fungicide", "never")]
    [InlineData("brew", "copper", "never")]
    [InlineData("living", "peroxide", "never")]
    [InlineData("mycorrhiza", "fungicide", "never")]
    [InlineData("spores", "tapChlorine", "fine")]
    [InlineData("spores", "chlorine", "never")]
    [InlineData("brew", "chlorine", "never")]
    [InlineData("spores", "fungicide", "fine")]
    [InlineData("calcium", "salts", "never")]
    [InlineData("seaweed", "mycorrhiza", "fine")]
    [InlineData("seaweed", "fungicide", "fine")]
    [InlineData("trichoderma", "salts", "never")]
    public void Pairs_are_ruled_on_with_a_reason_either_way_round(string a, string b, string says)
    {
        Mix(a, b).Pairs.Single().Says.ShouldBe(says);
        Mix(b, a).Pairs.Single().Says.ShouldBe(says);
        Mix(a, b).Pairs.Single().Why.Length.ShouldBeGreaterThan(8);
    }

    [Fact]
    public void Seaweed_with_mycorrhiza_is_no_fact_and_seaweed_with_a_fungicide_is_by_product()
    {
        Mix("seaweed", "mycorrhiza").Pairs.Single().Sure.ShouldBe(Evidence.Contested);
        Mix("seaweed", "fungicide").Pairs.Single().Sure.ShouldBe(Evidence.PublishedTrials);
    }

    [Theory]
    [InlineData(3, "wait", 7)]
    [InlineData(9.5, "wait", 0.5)]
    [InlineData(10.5, null, 0)]
    public void A_bed_that_got_copper_lately_waits_out_its_days(double daysAgo, string? says, double left)
    {
        var answer = MixingRules.Of(new MixQuestion {
            Tank = [new MixItem("tea", "brew")],
            Lately = [new MixItem("copper", "copper", daysAgo, "Hop Yard")], ChlorineMgPerL = 0
        }).Value;
        if (says is null)
        {
            answer.Pairs.ShouldBeEmpty();
            answer.Verdict.Tone.ShouldBe(Tone.Go);
            return;
        }

        answer.Pairs.Single().Says.ShouldBe(says);
        answer.Pairs.Single().WaitDays.ShouldBe(left, 1e-9);
        answer.Verdict.Sentence.ShouldStartWith("Wait ");
    }

    [Fact]
    public void A_rule_from_the_grower_s_label_comes_first()
    {
        var own = new MixRule("brew", "fungicide", true, 0, "label of mine: safe with bacteria", Evidence.MeasuredHere, true);
        var pair = MixingRules.Of(new MixQuestion {
            Tank = [new MixItem("tea", "brew"), new MixItem("f", "fungicide")], Own = [own],
            ChlorineMgPerL = 0
        }).Value.Pairs.Single();
        (pair.Says, pair.Own).ShouldBe(("fine", true));
    }

    [Theory]
    [InlineData(4.5, null, null, 0.0, "pH 4.5")]
    [InlineData(8.2, null, null, 0.0, "pH 8.2")]
    [InlineData(7, 3.5, null, 0.0, "3.5 mS/cm")]
    [InlineData(7, 1.0, 36.0, 0.0, "36 °C")]
    [InlineData(7, 1.0, 20.0, 0.4, "0.4 mg/L")]
    [InlineData(7, 1.0, 20.0, null, "No strip")]
    public void The_tank_itself_is_looked_at(double ph, double? salts, double? warmth, double? chlorine, string says) =>
        MixingRules.Of(new MixQuestion {
            Tank = [new MixItem("cells", "living")], Ph = ph, SaltsMsPerCm = salts, TemperatureC = warmth,
            ChlorineMgPerL = chlorine
        }).Value.Tank.ShouldHaveSingleItem().ShouldContain(says);

    [Fact]
    public void Spores_stand_what_living_cells_do_not() =>
        MixingRules.Of(new MixQuestion { Tank = [new MixItem("spores", "spores")], SaltsMsPerCm = 5, ChlorineMgPerL = 1 }).Value.Tank
            .ShouldBeEmpty();

    [Fact]
    public void Nonsense_in_a_mix_is_refused()
    {
        MixingRules.Of(new MixQuestion { Tank = [new MixItem("x", "sherry")] }).Refused.ShouldNotBeNull().Problems[0].Field
            .ShouldBe("tank[0]");
        MixingRules.Of(new MixQuestion()).Refused.ShouldNotBeNull();
        MixingRules.Of(new MixQuestion { Tank = [new MixItem("x", "brew")], Ph = 22, TemperatureC = double.NaN }).Refused
            .ShouldNotBeNull().Problems.Count.ShouldBe(2);
    }

    [Fact]
    public void Every_house_rule_names_kinds_that_are_known_and_gives_a_reason()
    {
        foreach (var rule in MixingRules.House)
        {
            MixingRules.NameOf(rule.A).ShouldNotBeNull(rule.A);
            MixingRules.NameOf(rule.B).ShouldNotBeNull(rule.B);
            rule.Why.Length.ShouldBeGreaterThan(5);
            rule.WaitDays.ShouldBeInRange(0, 60);
        }

        MixingRules.House.GroupBy(r => string.CompareOrdinal(r.A, r.B) < 0 ? (r.A, r.B) : (r.B, r.A)).ShouldAllBe(g => g.Count() == 1);
    }
}
