using MudPie.Core.Almanac;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.PuttingOut;

/// <summary>What is said of windows, jobs and courses, sum by sum: changes of these words once went unnoticed.</summary>
public sealed class SaidEdgesTests
{
    private static readonly DateTimeOffset Day = new(2026, 6, 10, 0, 0, 0, TimeSpan.Zero);

    private static Worked<WindowsAnswer> Windows(Purpose purpose, double hours, Func<int, WeatherHour, WeatherHour>? change = null,
        int weather = 96) =>
        SprayWindows.Of(new WindowsQuestion {
            Purpose = purpose, From = Day, Hours = hours, Latitude = 52.5, Longitude = 0,
            Weather = [.. Enumerable.Range(0, weather).Select(h => new WeatherHour(Day.AddHours(h), 16, 2, 0, 0.3, 0.7))
                .Select((w, h) => change is null ? w : change(h, w))],
        }).Worked;

    [Fact]
    public void The_sum_of_windows_speaks_of_leaves_or_of_roots()
    {
        Windows(Purpose.Leaf, 24).Working.Take(3).Select(w => (w.Result, w.Formula)).ShouldBe([
            ("low: below 20°, above −6°", "height of the sun's centre at the middle of each half hour"), ("", "1 to 4 m/s"),
            ("", "none in the hour and the four after; up to six to be sure")]);
        Windows(Purpose.Root, 24).Working.Take(3).Select(w => w.Result + w.Formula[..4]).ShouldBe(["light enough: above −6°heig", "up t",
            "ligh"]);
    }

    [Fact]
    public void The_best_half_hour_of_the_best_window_is_told()
    {
        // From 18:00 on a strong breeze until 20:00: the last hour is the best, and before sunset.
        var evening = Windows(Purpose.Leaf, 24, (h, w) => h is >= 18 and < 20 ? w with { WindMps = 3.5 } : w);
        evening.Value.Windows[1].Best.ShouldBe(Day.AddHours(20));
        evening.Value.Windows[1].Sentence.ShouldBe("16 °C, wind 2 m/s, sun at 0°");
        evening.Value.Windows[0].Sentence.ShouldBe("16 °C, wind 2 m/s, before or after the sun"); // three in the morning
        evening.Value.Verdict.Sentence.ShouldBe("2 windows ahead.");
        evening.Value.Verdict.Why.ShouldBe("The best: 16 °C, wind 2 m/s, before or after the sun.");
        Windows(Purpose.Root, 24).Value.Verdict.Sentence.ShouldBe("One window ahead.");
    }

    [Theory]
    [InlineData(16, Tone.Go)]
    [InlineData(6, Tone.Mind)] // 0.25 + 0.65 · 4 ÷ 6 is 0.68
    [InlineData(7, Tone.Go)] // 0.79
    public void A_poor_window_is_minded(double celsius, Tone tone) =>
        Windows(Purpose.Leaf, 24, (_, w) => w with { TemperatureC = celsius }).Value.Verdict.Tone.ShouldBe(tone);

    [Fact]
    public void The_best_of_the_windows_is_the_one_that_scores_most()
    {
        var answer = Windows(Purpose.Leaf, 24, (h, w) => w with { TemperatureC = h < 12 ? 5 : 16 }).Value;
        answer.Verdict.Why.ShouldBe("The best: 16 °C, wind 2 m/s, sun at 16°.");
        answer.Windows[0].Sentence.ShouldEndWith("; 5 °C: a leaf takes little so cool, and a brew sleeps");
        answer.Windows[0].Sentence.ShouldStartWith("5 °C, wind 2 m/s, before or after the sun; 5 °C");
    }

    [Theory]
    [InlineData(12.0, 16.0, "Mostly it is the wind that spoils it.")]
    [InlineData(2.0, 31.0, "Mostly it is the warmth that spoils it.")]
    [InlineData(2.0, -3.0, "Mostly it is the warmth that spoils it.")]
    public void What_mostly_spoils_it_is_named(double wind, double celsius, string why) =>
        Windows(Purpose.Leaf, 24, (_, w) => w with { WindMps = wind, TemperatureC = celsius }).Value.Verdict.Why.ShouldBe(why);

    [Fact]
    public void Hours_without_weather_are_counted_where_there_are_any()
    {
        Windows(Purpose.Root, 24, weather: 20).Value.Verdict.Why.ShouldEndWith(" For 4 h there is no weather: those are scored by the sun "
            + "alone.");
        Windows(Purpose.Root, 24).Value.Verdict.Why.ShouldNotContain("no weather");
    }

    [Fact]
    public void Of_two_forecasts_for_one_hour_the_later_counts() =>
        SprayWindows.Of(new WindowsQuestion {
            Purpose = Purpose.Root, From = Day.AddHours(12), Hours = 1, Latitude = 52.5, Longitude = 0,
            Weather = [new(Day.AddHours(12), 40, 2, 0, 0, 0.5), new(Day.AddHours(12).AddMinutes(20), 16, 2, 0, 0, 0.5)],
        }).Value.Hours[0].Spoils.ShouldBeEmpty();

    private static TankJobQuestion Job => new() {
        Purpose = Purpose.Root, TankL = 15, SpareShare = 0.25, BrewL = 10, Dilution = "1:4",
        Beds = [new JobBed { Name = "a", AreaM2 = 20, Life = Life.Living }, new JobBed { Name = "b", AreaM2 = 30 }],
        Products = [new JobProduct { Name = "kelp", Unit = "mL", Basis = RateBasis.OneIn, Rate = 400 },
            new JobProduct { Name = "flour", Unit = "g", Basis = RateBasis.Per100M2, Rate = 50 }],
    };

    private static IEnumerable<(string, string, string)> Lines(TankJobQuestion q) =>
        TankJob.Of(q).Worked.Working.Select(w => (w.Name, w.Figures, w.Result));

    [Fact]
    public void The_sum_of_a_job_line_by_line()
    {
        // 10 L ÷ 1.25 over 20 × 0.3 + 30 m²: 22.2 L on 100 m².
        Lines(Job).ShouldBe([("full dose", "10 L ÷ 1.25 ÷ 0.36 × 100 m²", "22.2 L of brew on 100 m²"),
            ("a", "20 m² × 6.67 L per 100 m² × 5", "6.67 L"), ("b", "30 m² × 22.2 L per 100 m² × 5", "33.3 L"),
            ("with the spare", "40 L × 1.25", "50 L"), ("fillings", "50 L ÷ 15 L", "4"), ("kelp", "400", "125 mL"),
            ("flour", "50 g", "31.3 g")]);
        var worked = TankJob.Of(Job).Worked.Working;
        worked.Select(w => w.Source).Skip(1).Take(2).ShouldBe(["its last check: living", "sum"]);
        worked.Select(w => w.Formula).Skip(5).ShouldBe(["mix ÷ one in", "rate × area ÷ 100 × (1 + spare)"]);
        (worked[0].Formula, worked[1].Formula).ShouldBe(("brew ÷ (1 + spare) ÷ Σ(area × step)", "area × dose × step × one in"));
    }

    [Fact]
    public void A_dose_that_was_set_and_a_job_without_brew_have_sums_of_their_own()
    {
        TankJob.Of(Job with { BrewPer100M2 = 15 }).Worked.Working[0].ShouldBe(new WorkingLine("full dose", "as you set it", "",
            "15 L of brew on 100 m²", "biology per area is what counts, whatever the dilution"));
        var spray = TankJob.Of(Job with { BrewL = null, RateLPerHa = 500, Purpose = Purpose.Leaf }).Worked.Working;
        spray[0].ShouldSatisfyAllConditions(w => w.Formula.ShouldBe("area × rate"), w => w.Figures.ShouldBe("20 m² × 500 L/ha"),
            w => w.Result.ShouldBe("1 L"));
    }

    [Fact]
    public void What_each_bed_gets_on_100_square_metres_and_the_wettest_of_them()
    {
        var job = TankJob.Of(Job).Value;
        job.Beds.Select(b => b.BrewPer100M2).ShouldBe([20.0 / 3, 200.0 / 9], 1e-9);
        (job.Dilution, job.OneIn).ShouldBe(("1 part tea + 4 parts water (1 in 5)", 5));
        var wet = TankJob.Of(Job with {
            Beds = [new JobBed { Name = "dry", AreaM2 = 1, Life = Life.Living },
            new JobBed { Name = "wet", AreaM2 = 1 }]
        }).Worked;
        wet.Value.Verdict.Sentence.ShouldStartWith("31 mm on wet");
        wet.Cautions.Single(c => c.Id == "too-wet").Text.ShouldStartWith("That is 31 mm");
    }

    [Fact]
    public void A_hundred_fillings_are_drawn_and_one_more_is_nobodys_day()
    {
        var hundred = Job with { SpareShare = 0, TankL = 0.5, Products = [] };
        TankJob.Of(hundred).Value.ShouldSatisfyAllConditions(j => j.Loads.Count.ShouldBe(100), j => j.Verdict.Tone.ShouldNotBe(Tone.Stop));
        TankJob.Of(hundred with { BrewL = 10.1 }).Value.ShouldSatisfyAllConditions(j => j.Loads.ShouldBeEmpty(),
            j => j.Verdict.Sentence.ShouldBe("101 fillings of 500 mL: nobody does that."));
    }

    [Fact]
    public void A_first_tank_says_by_what_and_how_thin_and_why()
    {
        var job = TankStart.Of(new TankStartQuestion { Brew = new BrewToGo(7, new(61), Purpose.Root, [4]) });
        job.Working.Select(w => (w.Formula, w.Figures, w.Result)).ShouldBe([("more than 60 L", "61 L", "boom"),
            ("for roots", "house", "1:1")]);
        TankStart.Of(new TankStartQuestion { Bottle = new BottleToGo(1, "9 L", "per100m2") }).ShouldSatisfyAllConditions(
            w => w.Working.Select(l => (l.Formula, l.Figures, l.Result)).ShouldBe([
                ("what a back can carry", "no brew", "knapsack, kept for biology"), ("for leaves", "house", "no brew")]),
            w => w.Value.Items.Single().Basis.ShouldBe("per100m2"), w => w.Value.BedIds.ShouldBeEmpty());
    }

    private static JobStands Plain(int cautions = 0) => new(null, null, null,
        [.. new[] { Cautions.Spraying, Cautions.RunOff }.Take(cautions)], []);

    [Fact]
    public void A_name_of_forty_letters_and_a_reason_of_three_hundred_are_kept_and_one_letter_more_is_not()
    {
        static IEnumerable<string> Wrong(string? who, string? why) =>
            PutOutDeeds.Keep(Plain(), new JobSaid(null, null, [], who, why)).Refused?.Problems.Select(p => p.Field) ?? [];
        Wrong(new string('w', 40), new string('y', 300)).ShouldBeEmpty();
        Wrong(new string('w', 41), null).ShouldBe(["who"]);
        Wrong(null, new string('y', 301)).ShouldBe(["why"]);
        Wrong("me", new string('y', 301)).ShouldBe(["why"]);
    }

    [Theory]
    [InlineData(1, "1 caution has not been ticked.")]
    [InlineData(2, "2 cautions have not been ticked.")]
    public void Cautions_not_ticked_are_counted(int cautions, string says) =>
        PutOutDeeds.Keep(Plain(cautions), new JobSaid(null, null, [])).Refused!.Problems.Single().Wrong.ShouldBe(says);

    [Theory]
    [InlineData("ten signs.", true)]
    [InlineData(" nine sgn ", false)]
    public void A_reason_is_ten_letters(string why, bool kept) =>
        (PutOutDeeds.Keep(Plain() with { NotFit = "It smells sour." }, new JobSaid(why, null, [])).Refused is null).ShouldBe(kept);

    [Fact]
    public void A_reason_for_mixing_is_kept_only_where_a_rule_was_set_aside()
    {
        var fine = new MixAnswer([], [], new Verdict(Tone.Go, "", ""));
        PutOutDeeds.Keep(Plain() with { Mixing = fine }, new JobSaid(null, "for no reason", [])).Value.MixWhy.ShouldBeNull();
    }

    [Fact]
    public void Rules_of_mixing_say_whose_they_are_and_how_far_apart()
    {
        var worked = MixingRules.Of(new MixQuestion {
            Tank = [new MixItem("tea", "brew"), new MixItem("copper", "copper")],
            ChlorineMgPerL = 0
        }).Worked;
        worked.Value.Pairs.Single().Why.ShouldEndWith(" Give them 10 days apart.");
        worked.Working.Single().Source.ShouldNotBe("a rule of your own");
        worked.Sure.ShouldBe(worked.Value.Pairs[0].Sure);
        var own = new MixRule("brew", "copper", true, 0, "my label", Evidence.MeasuredHere, true);
        var mine = MixingRules.Of(new MixQuestion {
            Tank = [new MixItem("tea", "brew"), new MixItem("copper", "copper")], Own = [own],
            ChlorineMgPerL = 0
        }).Worked;
        (mine.Working.Single().Source, mine.Value.Pairs.Single().Why).ShouldBe(("a rule of your own", "my label"));
        MixingRules.Of(new MixQuestion {
            Tank = [new MixItem("tea", "brew")],
            Lately = [new MixItem("copper", "copper", null, "Hop Yard")], ChlorineMgPerL = 0
        }).Value.Pairs.Single().WaitDays
            .ShouldBe(10); // today, where no day is known
    }

    [Fact]
    public void A_stage_that_does_not_suit_says_so_in_its_own_words()
    {
        foreach (var kind in Biostimulants.Kinds)
        {
            var early = kind.Stages[0].Why;
            kind.Stages.Skip(2).ShouldAllBe(s => (s.Why == early) == (s.Fit == "right"), kind.Kind);
        }

        Biostimulants.Check(new ProgrammeQuestion { Start = new(2026, 4, 1), AreaM2 = 36 }).Refused!.Problems.Single().Wrong
            .ShouldBe("It is not said when it is harvested.");
        Biostimulants.Check(new ProgrammeQuestion { Start = new(2026, 4, 1), Harvest = new(2026, 3, 1), AreaM2 = 36 }).Refused!.Problems
            .Single().Wrong.ShouldBe("The harvest is not within two years after the start.");
    }

    [Fact]
    public void The_sums_of_bottles_and_stocks_line_by_line()
    {
        var course = InoculantCourse.Of(new CourseQuestion {
            Species = [new LabelSpecies { Name = "one", Count = 1e8 }], LabelPer = "mL", Kind = LifeForm.Living, AgeDays = 90,
            LabelDose = 10, LabelEveryDays = 14, From = new(2026, 4, 1), Harvest = new(2026, 4, 2),
        }).Worked;
        course.Working.Select(w => w.Result).ShouldBe(["1e+8 per mL", "50 %", "2.5e+8", "5e+8"]);
        course.Value.Doses.Single().Organisms.ShouldBe(5e8, 1);
        var bottle = InoculantDose.Of(new InoculantQuestion {
            Target = 1e6, Per = "plant", Count = 240, LabelCount = 2e8, LabelPer = "mL",
            Kind = LifeForm.Living, AgeDays = 90, KeptC = 10
        }).Worked;
        bottle.Working[1].Figures.ShouldStartWith("living, 90 days at 10 °C");
        bottle.Working[1].Result.ShouldBe("70.7 %");
        InjectorStock.Of(100, 0.2, 500).Worked.Working[1].Result.ShouldBe("20 per L of stock");
        InjectorStock.Of(100, 0.2, 50_000, 6, true).Value.Verdict.Why.ShouldStartWith("With feeds in it it is good for about 24 h");
        InjectorStock.Of(100, 0.2, 50_000, 6).Value.Verdict.Why.ShouldStartWith("In plain water it is good for about 48 h");
        FeedTank.Of(true, 15).Worked.Working.Single().Formula.ShouldBe("24 h above 20 °C, 48 h below");
        FeedTank.Of(false, 15).Worked.Working.Single().Formula.ShouldBe("72 h");
    }
}
