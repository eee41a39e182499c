using MudPie.Core.PuttingOut;

namespace MudPie.Core.Tests.PuttingOut;

/// <summary>Courses, programmes and mixes at their limits: what tips a word, what is refused.</summary>
public sealed class SeasonEdgesTests
{
    private static readonly DateOnly Start = new(2026, 4, 1), Harvest = new(2026, 8, 1);

    private static CourseQuestion Course => new() {
        Species = [new LabelSpecies { Name = "one", Count = 6e7 }, new LabelSpecies { Name = "two", Count = 4e7 }],
        LabelPer = "mL", Kind = LifeForm.Spores, LabelDose = 10, LabelEveryDays = 14,
    };

    private static IEnumerable<string> Fields(CourseQuestion q) => InoculantCourse.Of(q).Refused!.Problems.Select(p => p.Field);

    [Fact]
    public void A_course_says_what_it_wants_to_know_field_by_field()
    {
        Fields(new CourseQuestion()).ShouldBe(["species", "labelPer", "kind", "dose", "everyDays"]);
        Fields(Course with { Species = [new LabelSpecies { Name = "none", Count = 0 }] }).ShouldBe(["species[0].count"]);
        Fields(Course with { AgeDays = -1, KeptC = 60 }).ShouldBe(["ageDays", "keptC"]);
        Fields(Course with { From = Start, Harvest = Start.AddDays(-1) }).ShouldBe(["harvest"]);
        Fields(Course with { From = Start, Harvest = Start.AddYears(2).AddDays(1) }).ShouldBe(["harvest"]);
        InoculantCourse.Of(Course with { From = Start, Harvest = Start.AddYears(2) }).Refused.ShouldBeNull();
    }

    [Theory]
    [InlineData(14.0, Tone.Go, "It keeps up with the label.")]
    [InlineData(13.4, Tone.Go, "It keeps up with the label.")] // 104.5 %
    [InlineData(13.3, Tone.Go, "105 % of the label's organisms a week: more than it asks.")]
    [InlineData(14.01, Tone.Go, "It keeps up with the label.")] // 99.93 %
    [InlineData(14.1, Tone.Mind, "Thinned to 99 % of the label's organisms a week.")]
    public void How_a_course_stands_to_its_label(double every, Tone tone, string says)
    {
        var answer = InoculantCourse.Of(Course with { EveryDays = every }).Value;
        (answer.Verdict.Tone, answer.Verdict.Sentence).ShouldBe((tone, says));
        (answer.MakeUp is not null).ShouldBe(tone == Tone.Mind);
    }

    [Fact]
    public void Without_a_dose_and_interval_on_the_label_nothing_is_compared()
    {
        foreach (var q in new[] { Course with { LabelDose = null, Dose = 10 }, Course with { LabelEveryDays = null, EveryDays = 14 } })
        {
            var answer = InoculantCourse.Of(q).Value;
            (answer.LabelPerWeek, answer.Share, answer.MakeUp, answer.Verdict.Sentence).ShouldBe((null, null, null, "That can be done."));
            answer.Verdict.Why.ShouldStartWith("The label gives no dose and interval to compare with. Dormant spores");
            answer.PerWeek.ShouldBe(5e8, 1);
        }
    }

    [Theory]
    [InlineData(LifeForm.Spores, "Dormant spores stand chlorine")]
    [InlineData(LifeForm.Living, "Living cells stand neither")]
    [InlineData(LifeForm.Propagules, "Which crop?")]
    public void What_a_kind_of_life_stands_is_said(LifeForm kind, string why) =>
        InoculantCourse.Of(Course with { Kind = kind }).Value.Verdict.Why.ShouldStartWith(why);

    [Theory]
    [InlineData("kale", Tone.Stop, "Kale does not host mycorrhiza: leave it out here.")]
    [InlineData("leeks", Tone.Go, "It must touch roots: in the planting hole, in the row, or as a root dip; on top of the ground it does "
        + "nothing.")]
    [InlineData(" ", Tone.Go, "Which crop? Brassicas, beets and their kin do not host it.")]
    public void Mycorrhiza_wants_a_host(string crop, Tone tone, string host)
    {
        var answer = InoculantCourse.Of(Course with { Kind = LifeForm.Propagules, Crop = crop }).Value;
        (answer.Host, answer.Verdict.Tone).ShouldBe((host, tone));
        InoculantCourse.Of(Course with { Crop = crop }).Value.Host.ShouldBeNull();
    }

    [Fact]
    public void Doses_fall_in_stages_and_mycorrhiza_once()
    {
        var weekly = Course with { From = Start, Harvest = Start.AddDays(40), EveryDays = 10 };
        var doses = InoculantCourse.Of(weekly).Value.Doses;
        doses.Select(d => (d.On.DayNumber - Start.DayNumber, d.Stage)).ShouldBe([(0, "seedling or transplant"), (10, "leaf growth"),
            (20, "flower and set"), (30, "filling"), (40, "filling")]);
        InoculantCourse.Of(weekly with { EveryDays = 9 }).Value.Doses[1].Stage.ShouldBe("root growth");
        doses.ShouldAllBe(d => d.Amount == 10 && Math.Abs(d.Organisms - 1e9) < 1);
        InoculantCourse.Of(weekly with { Kind = LifeForm.Propagules }).Value.Doses.Single().On.ShouldBe(Start);
        InoculantCourse.Of(weekly with { Harvest = Start }).Value.Doses.Single().Stage.ShouldBe("seedling or transplant");
        InoculantCourse.Of(weekly with { Harvest = null }).Value.Doses.ShouldBeEmpty();
        InoculantCourse.Of(weekly with { From = null }).Value.Doses.ShouldBeEmpty();
        InoculantCourse.Of(weekly with { Harvest = Start.AddDays(700), EveryDays = 1 }).Value.Doses.Count.ShouldBe(200);
    }

    [Fact]
    public void A_price_of_nothing_is_no_cost() => InoculantCourse.Of(Course with { Price = 0 }).Value.Cost.ShouldBeNull();

    [Theory]
    [InlineData(true, 20, "48 h", Tone.Mind)]
    [InlineData(true, 20.1, "24 h", Tone.Mind)]
    [InlineData(false, 30, "72 h", Tone.Go)]
    public void How_long_a_feed_tank_keeps(bool feeds, double celsius, string hours, Tone tone)
    {
        var verdict = FeedTank.Of(feeds, celsius).Value;
        (verdict.Tone, verdict.Sentence).ShouldBe((tone, $"Use the tank within {hours}."));
        FeedTank.Of(feeds, 46).Refused!.Problems.Single().Field.ShouldBe("temperatureC");
    }

    private static ProgrammeStep On(string kind, int day, Purpose purpose = Purpose.Leaf) =>
        new() { Kind = kind, On = Start.AddDays(day), Purpose = purpose };

    private static ProgrammeAnswer Check(params ProgrammeStep[] steps) =>
        Biostimulants.Check(new ProgrammeQuestion { Start = Start, Harvest = Harvest, AreaM2 = 36, Steps = steps }).Value;

    [Theory]
    [InlineData(35, null)] // a quarter over four weeks is let pass
    [InlineData(36, "36 days of liquid seaweed between 1 Apr and 7 May: too long, its effect is gone after 28.")]
    [InlineData(10, null)] // seven tenths of two weeks are 9.8 days
    [InlineData(9, "Liquid seaweed on 1 Apr and again 9 days later: closer than 14 days gains nothing.")]
    [InlineData(1, "Liquid seaweed on 1 Apr and again 1 day later: closer than 14 days gains nothing.")]
    public void Givings_too_far_apart_or_too_close(int days, string? miss) =>
        Check(On("seaweed", 0, Purpose.Root), On("seaweed", days, Purpose.Root)).Misses.ShouldBe(miss is null ? [] : [miss]);

    [Fact]
    public void A_gap_behind_a_giving_that_was_not_right_is_no_gap() =>
        Check(On("seaweed", 0, Purpose.Root), On("seaweed", 25), On("seaweed", 50), On("seaweed", 70), On("seaweed", 121)).Misses
            .ShouldNotContain(m => m.Contains("too long"));

    [Fact]
    public void What_is_wasted_is_named_with_its_reason_and_the_first_of_the_misses_is_the_verdict()
    {
        var answer = Check(On("seaweed", 0, Purpose.Root), On("seaweed", 24), On("seaweed", 110));
        answer.Misses.ShouldBe(["Liquid seaweed on 20 Jul is wasted: the roots are grown: a full-grown plant gains little.",
            "86 days of liquid seaweed between 25 Apr and 20 Jul: too long, its effect is gone after 28."]);
        (answer.Verdict.Tone, answer.Verdict.Sentence, answer.Verdict.Why).ShouldBe((Tone.Mind, answer.Misses[0], answer.Misses[1]));
        Check(On("seaweed", 0, Purpose.Root), On("seaweed", 3, Purpose.Root)).Verdict.Why.ShouldBe("Drag it to a better week.");
        Check(On("seaweed", 0, Purpose.Root), On("seaweed", 20, Purpose.Root)).Verdict.Sentence.ShouldBe("2 givings, each in its time.");
    }

    [Fact]
    public void Kinds_are_judged_each_by_itself_and_their_needs_summed_by_name()
    {
        var answer = Check(On("seaweed", 0, Purpose.Root), On("fish", 1, Purpose.Root), On("seaweed", 21, Purpose.Root));
        answer.Misses.ShouldBeEmpty(); // a day between two kinds is nothing
        answer.Needs.Keys.ShouldBe(["liquid seaweed", "fish hydrolysate"]);
        answer.Steps.Select(s => s.Kind).ShouldBe(["seaweed", "fish", "seaweed"]);
        Check(On("fish", 1, Purpose.Root), On("seaweed", 0, Purpose.Root)).Steps[0].Kind.ShouldBe("seaweed"); // in the order of their days
    }

    [Fact]
    public void A_programmes_fields_are_checked()
    {
        static IEnumerable<string> Wrong(ProgrammeQuestion q) => Biostimulants.Check(q).Refused!.Problems.Select(p => p.Field);
        var sound = new ProgrammeQuestion { Start = Start, Harvest = Harvest, AreaM2 = 36, Steps = [On("fish", 3)] };
        Wrong(sound with { Steps = [On("fish", 3) with { OneIn = 1 }] }).ShouldBe(["steps[0].oneIn"]);
        Wrong(sound with { Harvest = Start }).ShouldBe(["harvest"]);
        Wrong(sound with { Harvest = Start.AddYears(2).AddDays(1) }).ShouldBe(["harvest"]);
        Wrong(sound with { Start = null }).ShouldBe(["start"]);
        Biostimulants.Check(sound with { Harvest = Start.AddYears(2) }).Refused.ShouldBeNull();
    }

    [Fact]
    public void Stages_that_were_dated_end_where_the_next_begins_and_the_last_with_the_harvest()
    {
        StageFrom[] dated = [new("set", "set", Start.AddDays(20)), new("start", "up", Start)];
        var stages = Biostimulants.StagesOf("kale", Start, Harvest, dated);
        stages.Select(s => (s.Id, s.From, s.To)).ShouldBe([("start", Start, Start.AddDays(20)), ("set", Start.AddDays(20), Harvest)]);
        Biostimulants.StagesOf("kale", Start, Start.AddDays(5), dated)[^1].To.ShouldBe(Start.AddDays(20)); // never before it began
        Biostimulants.StagesOf("kale", Start, Harvest, []).Count.ShouldBeGreaterThan(2);
    }

    private static MixAnswer Mix(params string[] classes) =>
        MixingRules.Of(new MixQuestion { Tank = [.. classes.Select(c => new MixItem(c, c))], ChlorineMgPerL = 0 }).Value;

    [Theory]
    [InlineData(5.5, 0)]
    [InlineData(5.49, 1)]
    [InlineData(7.5, 0)]
    [InlineData(7.51, 1)]
    public void What_lives_wants_a_ph_between(double ph, int says) =>
        MixingRules.Of(new MixQuestion { Tank = [new MixItem("cells", "living")], Ph = ph, ChlorineMgPerL = 0 }).Value.Tank.Count
            .ShouldBe(says);

    [Theory]
    [InlineData(2, 32, 0, 0)]
    [InlineData(2.1, 32, 0, 1)]
    [InlineData(2, 32.1, 0, 1)]
    [InlineData(2, 32, 0.1, 1)]
    [InlineData(2.1, 32.1, 0.1, 3)]
    public void Salts_warmth_and_chlorine_to_the_tenth(double salts, double warmth, double chlorine, int says)
    {
        var answer = MixingRules.Of(new MixQuestion {
            Tank = [new MixItem("cells", "living")], SaltsMsPerCm = salts, TemperatureC = warmth, ChlorineMgPerL = chlorine,
        }).Value;
        answer.Tank.Count.ShouldBe(says);
        answer.Verdict.Sentence.ShouldBe(says > 0 ? "The pairs are fine; the tank wants a look." : "Only one thing in it: fine.");
    }

    [Fact]
    public void Where_nothing_lives_the_tank_is_not_looked_at() =>
        MixingRules.Of(new MixQuestion { Tank = [new MixItem("kelp", "seaweed")], Ph = 9, SaltsMsPerCm = 9, TemperatureC = 50 }).Value.Tank
            .ShouldBeEmpty();

    [Theory]
    [InlineData("chlorine", null, 10.0, "tapChlorine")]
    [InlineData("chlorine", null, 10.1, "chlorine")]
    [InlineData("chlorine", null, null, "chlorine")]
    [InlineData("tapChlorine", null, 10.0, "tapChlorine")]
    [InlineData("tapChlorine", null, 10.1, "chlorine")]
    [InlineData("silica", 5.5, null, "other")]
    [InlineData("acid", 7.5, null, "other")]
    [InlineData("caustic", 7.6, null, "caustic")]
    [InlineData("silica", 5.4, null, "silica")]
    [InlineData("ascorbic", 3.9, null, "acid")]
    [InlineData("ascorbic", 4.0, null, "ascorbic")]
    [InlineData("fish", 2.9, null, "acid")]
    [InlineData("fish", 3.0, null, "fish")]
    [InlineData("humic", 10.6, null, "caustic")]
    [InlineData("humic", 10.5, null, "humic")]
    [InlineData("fish", 10.6, null, "fish")]
    public void What_a_thing_is_follows_from_its_strength_and_ph(string named, double? ph, double? mgPerL, string is_) =>
        MixingRules.ClassOf(new MixItem("it", named, Ph: ph, MgPerL: mgPerL)).ShouldBe(is_);

    [Fact]
    public void The_worst_pair_speaks_first_and_gas_before_all()
    {
        var gas = Mix("brew", "copper", "chlorine", "acid");
        gas.Pairs[0].Gas.ShouldBeTrue();
        gas.Verdict.Sentence.ShouldBe("Never in one tank: chlorine and acid.");
        gas.Pairs.Select(p => p.Says).SkipWhile(s => s == "never").ShouldNotContain("never");
        var worked = MixingRules.Of(new MixQuestion { Tank = [new MixItem("a", "acid"), new MixItem("b", "chlorine")] }).Worked;
        worked.Cautions.Single().Id.ShouldBe("gas");
        MixingRules.Of(new MixQuestion { Tank = [new MixItem("a", "brew")], ChlorineMgPerL = 0 }).Worked.Cautions.ShouldBeEmpty();
    }

    [Fact]
    public void A_sprayer_not_washed_is_held_against_what_it_held_last_where_that_must_never_meet()
    {
        MixAnswer Of(string name, string held) => MixingRules.Of(new MixQuestion {
            Tank = [new MixItem("tea", "brew")], HeldLast = [new MixItem(name, held)], ChlorineMgPerL = 0,
        }).Value;
        Of("copper", "copper").Verdict.Sentence.ShouldBe("Wash the sprayer first: it held copper, and tea never meets that.");
        Of("kelp", "seaweed").Pairs.ShouldBeEmpty(); // fine, and no pair to speak of
        Of("stuff", "other").Pairs.ShouldBeEmpty(); // a jar first is no matter of traces
        Of("tea", "copper").Pairs.ShouldBeEmpty(); // its own name
    }

    [Fact]
    public void The_same_thing_twice_is_fine_and_two_of_a_kind_are_judged()
    {
        MixingRules.Of(new MixQuestion { Tank = [new MixItem("x", "chlorine"), new MixItem("x", "chlorine")] }).Value.Pairs.Single().Says
            .ShouldBe("fine");
        MixingRules.Of(new MixQuestion { Tank = [new MixItem("x", "chlorine"), new MixItem("y", "chlorine")] }).Value.Pairs.Single().Says
            .ShouldBe("never");
        Mix("brew", "other").Verdict.Sentence.ShouldBe("Not known: a jar first, small, outdoors: brew and other.");
        Mix("brew", "seaweed").Verdict.Sentence.ShouldBe("They get on.");
    }

    [Theory]
    [InlineData(9.0, "Wait 1 day: Hop Yard got copper.")]
    [InlineData(8.9, "Wait 2 days: Hop Yard got copper.")]
    public void Days_to_wait_are_rounded_up(double daysAgo, string says) =>
        MixingRules.Of(new MixQuestion {
            Tank = [new MixItem("tea", "brew")], Lately = [new MixItem("copper", "copper", daysAgo, "Hop Yard")], ChlorineMgPerL = 0,
        }).Value.Verdict.Sentence.ShouldBe(says);

    [Fact]
    public void Twelve_things_are_many_and_thirteen_too_many_and_each_field_is_checked()
    {
        static IEnumerable<string> Wrong(MixQuestion q) => MixingRules.Of(q).Refused?.Problems.Select(p => p.Field) ?? [];
        MixQuestion Of(int n) => new() { Tank = [.. Enumerable.Range(0, n).Select(i => new MixItem($"{i}", "seaweed"))] };
        Wrong(Of(12)).ShouldBeEmpty();
        Wrong(Of(13)).ShouldBe(["tank"]);
        Wrong(Of(1) with { Lately = [new MixItem("x", "sherry")], HeldLast = [new MixItem("y", "brew", Ph: 15, MgPerL: -1)] })
            .ShouldBe(["lately[0]", "heldLast[0].ph", "heldLast[0].mgPerL"]);
        Wrong(Of(1) with { Ph = 0, SaltsMsPerCm = 51, TemperatureC = 61, ChlorineMgPerL = 11 })
            .ShouldBe(["ph", "saltsMsPerCm", "temperatureC", "chlorineMgPerL"]);
    }
}
