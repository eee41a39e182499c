using MudPie.Core.Brewing;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.Brewing;

/// <summary>The gates just before and just past each of their lines, and what they say there.</summary>
public sealed class GateEdgesTests
{
    private static BrewSeen Tea => new() {
        IsTea = true, NowH = 20, StripMgPerL = 0, Oxygen = [new(12, 6.4), new(19.6, 7.2)],
    };

    private static GateAnswer Of(BrewSeen seen) => FitToUse.Judge(seen).Value;

    [Theory]
    [InlineData(1.0, 5.9, Fitness.Unseen)] // the first hour fails nothing, and counts as no look
    [InlineData(1.01, 5.9, Fitness.NotFit)]
    [InlineData(1.01, 6.0, Fitness.Fit)]
    [InlineData(1.0, 6.0, Fitness.Unseen)]
    public void The_first_hour_and_the_line(double hour, double oxygen, Fitness fitness) =>
        Of(Tea with { Oxygen = [new(hour, oxygen)] }).Fitness.ShouldBe(fitness);

    [Theory]
    [InlineData(true, 36.0, false)]
    [InlineData(true, 36.1, true)]
    [InlineData(false, 24.0, false)]
    [InlineData(false, 24.1, true)]
    public void How_old_a_brew_may_be(bool tea, double hours, bool heaped) =>
        (Of(Tea with { IsTea = tea, NowH = hours }).Fitness == Fitness.NotFit).ShouldBe(heaped);

    [Fact]
    public void A_teas_age_stops_with_its_air_and_an_extracts_does_not()
    {
        Of(Tea with { NowH = 40, AirOffH = 35, GraceMinutesTo6 = 400 }).Fitness.ShouldBe(Fitness.Fit);
        Of(Tea with { NowH = 40, AirOffH = 36.5, GraceMinutesTo6 = 400 }).Sentence.ShouldBe("Heap it: it was brewed for 36 h 30 min, past "
            + "36 h.");
        Of(Tea with { IsTea = false, NowH = 25, AirOffH = 23, GraceMinutesTo6 = 400 }).Fitness.ShouldBe(Fitness.NotFit);
    }

    [Theory]
    [InlineData("oxygen", 44.0, 44)]
    [InlineData("oxygen", 600.0, 480)]
    [InlineData("oxygen", null, 60)]
    [InlineData("hour", 44.0, 60)]
    [InlineData("day", 44.0, 480)]
    [InlineData("cool", null, 480)]
    public void How_long_each_school_holds(string school, double? grace, double minutes) =>
        FitToUse.HoldOf(school, grace).ShouldBe(minutes);

    [Theory]
    [InlineData(Making.Tea, 36.0)]
    [InlineData(Making.Extract, 24.0)]
    [InlineData(Making.Bubbled, 24.0)]
    [InlineData(Making.Steep, null)]
    public void How_old_a_making_may_be(Making making, double? hours) => FitToUse.OldestOf(making).ShouldBe(hours);

    [Fact]
    public void The_hold_ends_with_its_last_minute()
    {
        Of(Tea with { AirOffH = 19, GraceMinutesTo6 = 60.1 }).Sentence.ShouldStartWith("Fit to use for another ");
        Of(Tea with { AirOffH = 19, GraceMinutesTo6 = 60 }).Sentence
            .ShouldBe("Heap it: the air has been off for 1 h: the hold is over.");
    }

    [Fact]
    public void What_was_dunked_counts_from_its_making_and_wants_no_reading_in_the_air()
    {
        var dunked = Tea with { IsTea = false, Dunked = true, NowH = 4, Oxygen = [] };
        var answer = Of(dunked);
        (answer.Fitness, answer.MinutesLeft).ShouldBe((Fitness.Unseen, 1200));
        answer.Sentence.ShouldBe("Made 4 h ago; unseen. Use it within 20 h, the sooner the better.");
        FitToUse.Judge(dunked with { AirOffH = 1 }).Forks.ShouldBeEmpty();
        Of(dunked with { AirOffH = 1 }).MinutesLeft.ShouldBe(1200);
    }

    [Fact]
    public void What_is_unseen_is_said_by_what_was_not_done()
    {
        Of(Tea with { Oxygen = [] }).Sentence.ShouldBe("Unseen: nobody has measured its oxygen yet.");
        Of(Tea with { Oxygen = [new(0.5, 8)] }).Sentence.ShouldBe("Unseen: it was read in the first hour only.");
        Of(Tea with { Oxygen = [], AirOffH = 19.5, GraceMinutesTo6 = 60 }).Sentence
            .ShouldBe("Unseen: nobody measured its oxygen. Use it within 30 min if you must.");
        Of(Tea with { Oxygen = [], CountedAtH = [0.5] }).Fitness.ShouldBe(Fitness.Unseen); // a count of the first hour neither
        Of(Tea with { Oxygen = [], CountedAtH = [1.5] }).Fitness.ShouldBe(Fitness.Fit);
        Of(Tea with { Oxygen = [], CountedAtH = [1.5, 9] }).Reasons.ShouldContain("It was counted under the microscope at 9 h.");
    }

    [Theory]
    [InlineData(20.0, "Fit so far.")]
    [InlineData(20.1, "Fit at its last reading, 7.2 mg/L at 19 h 36 min.")] // half an hour on
    public void Fit_is_fit_at_its_last_look(double now, string says) => Of(Tea with { NowH = now }).Sentence.ShouldBe(says);

    [Fact]
    public void How_often_it_was_read_is_said_and_by_whom()
    {
        Of(Tea).Reasons[1].ShouldBe("Oxygen never read below 6.4 mg/L in 2 readings.");
        Of(Tea with { Oxygen = [new(12, 6.4)] }).Reasons[1].ShouldBe("Oxygen never read below 6.4 mg/L in 1 reading.");
        Of(Tea with { Oxygen = [new(0.5, 5), new(12, 6.4)] }).Reasons[1].ShouldContain("6.4 mg/L in 1 reading.");
        Of(Tea with { Oxygen = [], Probe = [new(5, 8), new(11, 6.8)] }).Reasons[1]
            .ShouldBe("The probe never read below 6.8 mg/L over an hour; nobody read by hand.");
        FitToUse.Judge(Tea with { Probe = [new(5, 8)] }).Working[0].Figures
            .ShouldBe("2 oxygen readings and 1 hour of a probe, 3 of them after the first hour, 0 smells, 0 looks at the foam");
    }

    private static Expected Expects(double now, double lowest, bool trusted = true) => new(now, now - 0.5, now + 0.5, lowest, trusted);

    [Fact]
    public void What_the_model_expects_under_six_is_read_before_it_is_used()
    {
        var low = Tea with { Expected = Expects(5.8, 5.8) };
        var answer = Of(low);
        (answer.Fitness, answer.ReadFirst).ShouldBe((Fitness.Unseen, true));
        answer.Sentence.ShouldBe("Unseen since 19 h 36 min: the model expects 5.8 mg/L now: read it before use.");
        Of(Tea with { Expected = Expects(6.5, 5.8) }).Sentence.ShouldContain("expects 5.8 mg/L on the way");
        Of(low with { NowH = 19.85 }).ReadFirst.ShouldBeFalse(); // a quarter of an hour since it was read
        Of(low with { NowH = 19.86 }).ReadFirst.ShouldBeTrue();
        Of(low with { Expected = Expects(6, 6) }).ReadFirst.ShouldBeFalse();
        Of(low with { Expected = Expects(5.8, 5.8, trusted: false) }).ReadFirst.ShouldBeFalse();
        Of(low with { IsTea = false }).ReadFirst.ShouldBeFalse();
        Of(low with { AirOffH = 19.9, GraceMinutesTo6 = 60 }).ReadFirst.ShouldBeFalse();
        Of(low with { Oxygen = [], CountedAtH = [9] }).Sentence.ShouldStartWith("Unseen since the start: the model expects 5.8 mg/L now");
        Of(low with { StripMgPerL = 1 }).ReadFirst.ShouldBeFalse(); // it is heaped, and not read
    }

    [Fact]
    public void What_the_model_expects_is_said_half_an_hour_after_the_last_look()
    {
        var seen = Tea with { NowH = 20.1, Expected = Expects(6.9, 6.8) };
        Of(seen).Reasons[2].ShouldBe("Unseen since 19 h 36 min; the model expects 6.9 mg/L now (6.4 to 7.4).");
        Of(seen with { Expected = Expects(6.9, 6.8, trusted: false) }).Reasons[2]
            .ShouldBe("Unseen since 19 h 36 min, and the model is not trusted here.");
        Of(seen with { NowH = 20.09 }).Reasons.Count.ShouldBe(2);
        Of(seen with { AirOffH = 20, GraceMinutesTo6 = 60 }).Reasons.Count.ShouldBe(2);
        FitToUse.Judge(seen).Working.Select(w => w.Name).ShouldBe(["the gate", "since the last look"]);
        FitToUse.Judge(Tea).Working.Select(w => w.Name).ShouldBe(["the gate"]);
    }

    [Fact]
    public void The_hold_has_its_lines_and_its_fork_once_the_air_is_off()
    {
        var off = FitToUse.Judge(Tea with { AirOffH = 19.5, GraceMinutesTo6 = 90 });
        off.Working.Select(w => (w.Name, w.Result)).Skip(1).ShouldBe([("hold", "1 h 30 min"), ("left", "1 h")]);
        off.Forks.Single().Chosen.ShouldBe("oxygen");
        FitToUse.Judge(Tea).Forks.ShouldBeEmpty();
        FitToUse.Judge(Tea with { AirOffH = 10, GraceMinutesTo6 = 90 }).Working[2].Result.ShouldBe("0 min");
        var chosen = FitToUse.Judge(Tea with { AirOffH = 19.5, Hold = "day" });
        chosen.Working[1].Formula.ShouldBe("the school that you chose: day");
        chosen.Working[1].Figures.ShouldBe("no forecast: 1 h");
    }

    [Fact]
    public void The_first_of_the_failures_speaks_and_all_are_listed()
    {
        var bad = Of(Tea with {
            StripMgPerL = 0.5,
            Smells = [new(3, Smell.Earthy), new(9, Smell.Putrid)],
            Foams = [new(4, Foam.Over)],
            SourceUnfit = true,
            PathogenFound = true
        });
        bad.Reasons.Count.ShouldBe(5);
        bad.Sentence.ShouldBe("Heap it: the strip read 0.5 mg/L of chlorine, not zero.");
        bad.Reasons[1].ShouldBe("It smelt putrid at 9 h.");
        FitToUse.Judge(Tea with { StripMgPerL = 1 }).Sure.ShouldBe(Evidence.MeasuredHere);
        FitToUse.Judge(Tea with { Oxygen = [] }).Sure.ShouldBe(Evidence.PractitionersRule);
        Of(Tea with { IsFeed = true, PathogenFound = true }).Fitness.ShouldBe(Fitness.NotFit);
        Of(Tea with { IsTea = false, NowH = 24.5, Smells = [new(3, Smell.Sweet)] }).Reasons[0]
            .ShouldBe("It was made 24 h 30 min ago: an extract is used within a day.");
        Of(Tea with { Smells = [new(3, Smell.Sweet), new(5, Smell.None)] }).Reasons[^1]
            .ShouldBe("It smelt of nothing much, which fails nothing and proves nothing.");
    }

    [Theory]
    [InlineData(Smell.Earthy, "earthy")]
    [InlineData(Smell.Sweet, "sweet")]
    [InlineData(Smell.Sour, "sour")]
    [InlineData(Smell.RottenEgg, "of rotten eggs")]
    [InlineData(Smell.Putrid, "putrid")]
    [InlineData(Smell.Alcohol, "of sharp alcohol")]
    public void Smells_in_words(Smell smell, string word) => FitToUse.Word(smell).ShouldBe(word);

    private static SourceAnswers Lot => new() {
        Kind = "compost", HeatsWhenTurned = "no", HeatRecord = "kept", AgeMonths = 12,
        Manure = "none", Diseased = "no", Sterilised = "no", Moisture = "wrungOut", Smell = Smell.Earthy,
    };

    [Theory]
    [InlineData(3.0, true)]
    [InlineData(2.9, false)]
    [InlineData(24.0, true)]
    [InlineData(24.1, false)]
    public void How_old_a_source_may_be(double months, bool fit) =>
        (SourceGate.Judge(Lot with { AgeMonths = months }).Value.Fitness == SourceFitness.Fit).ShouldBe(fit);

    [Fact]
    public void A_source_in_its_words()
    {
        SourceRuling Of(SourceAnswers a) => SourceGate.Judge(a).Value;
        Of(Lot).Reasons.ShouldBe(["Finished, sweet, nothing in it to fear."]);
        Of(Lot).Sentence.ShouldBe("Good to brew.");
        Of(Lot with { BacteriaPerG = 1e7 }).Fitness.ShouldBe(SourceFitness.Fit);
        Of(Lot with { HeatRecord = "cold", Kind = "castings" }).Fitness.ShouldBe(SourceFitness.Fit);
        Of(Lot with { Smell = Smell.None }).Fitness.ShouldBe(SourceFitness.Fit);
        Of(Lot with { Moisture = "wet", Sterilised = "yes" }).Sentence.ShouldBe("It may be brewed, with care: it was sterilised: little "
            + "lives in it, and the first comer fills it.");
        Of(new SourceAnswers { Kind = "castings" }).Unknown.ShouldBe(["whether it still heats", "manure", "diseased plants", "its smell",
            "whether it was sterilised", "how moist it is"]);
        Of(new SourceAnswers { Kind = "compost" }).Unknown.ShouldContain("its heat");
        Of(Lot with { Diseased = null }).Sentence.ShouldBe("Not judged yet: diseased plants not known.");
        Of(Lot with { HeatsWhenTurned = null }).Fitness.ShouldBe(SourceFitness.Unasked);
        SourceGate.Judge(Lot).Worked.Working.Single().Figures.ShouldBe("7 of 7 answered");
        SourceGate.Judge(Lot with { Moisture = null }).Worked.Working.Single().Figures.ShouldBe("6 of 7 answered");
    }

    [Fact]
    public void A_counted_source_is_measured_and_manure_asks_for_care_with_food()
    {
        SourceGate.Judge(Lot).Worked.Sure.ShouldBe(Evidence.PractitionersRule);
        SourceGate.Judge(Lot with { BacteriaPerG = 1e9 }).Worked.Sure.ShouldBe(Evidence.MeasuredHere);
        SourceGate.Judge(Lot with { FungalToBacterial = 1 }).Worked.Sure.ShouldBe(Evidence.MeasuredHere);
        SourceGate.Judge(Lot).Worked.Cautions.Count.ShouldBe(1);
        SourceGate.Judge(Lot with { Manure = "composted" }).Worked.Cautions.Count.ShouldBe(2);
    }

    [Theory]
    [InlineData(0.49, Bias.Bacterial)]
    [InlineData(0.5, Bias.Balanced)]
    [InlineData(2.0, Bias.Balanced)]
    [InlineData(2.01, Bias.Fungal)]
    [InlineData(null, null)]
    public void Which_way_a_counted_source_leans(double? ratio, Bias? bias) => SourceGate.BiasByCount(ratio).ShouldBe(bias);

    [Fact]
    public void Answers_that_are_none_are_named() =>
        SourceGate.Judge(new SourceAnswers {
            Kind = "peat", HeatsWhenTurned = "maybe", HeatRecord = "warm", Manure = "some", Diseased = "perhaps", Sterilised = "half",
            Moisture = "damp", AgeMonths = 121, BacteriaPerG = -1, FungalToBacterial = 101,
        }).Refused!.Problems.Select(p => p.Field).ShouldBe(["kind", "heatsWhenTurned", "heatRecord", "manure", "diseased", "sterilised",
            "moisture", "ageMonths", "bacteriaPerG", "fungalToBacterial"]);

    [Theory]
    [InlineData(7, 0.24, Life.Poor)]
    [InlineData(7, 0.25, Life.Middling)]
    [InlineData(7, 0.59, Life.Middling)]
    [InlineData(7, 0.6, Life.Living)]
    [InlineData(14, 0.6, Life.Middling)] // 1 − 0.4^(1/2) is 0.37 in seven weeks
    [InlineData(3.5, 0.4, Life.Living)] // 1 − 0.6² is 0.64
    [InlineData(16, 1, Life.Living)]
    public void What_a_cotton_strip_says(double weeks, double gone, Life life) =>
        GroundAlive.CottonStrip(weeks, gone).Value.Life.ShouldBe(life);

    [Theory]
    [InlineData(24.9, Life.Poor, "This ground is poor in life")]
    [InlineData(25, Life.Middling, "This ground is middling")]
    [InlineData(69.9, Life.Middling, "This ground is middling")]
    [InlineData(70, Life.Living, "This ground is alive already")]
    public void What_a_burst_says(double mg, Life life, string says)
    {
        var answer = GroundAlive.Co2Burst(mg).Value;
        answer.Life.ShouldBe(life);
        answer.Sentence.ShouldStartWith(says);
        GroundAlive.Co2Burst(-1).Refused!.Problems.Single().Field.ShouldBe("mgCPerKg");
        GroundAlive.CottonStrip(1, 2).Refused!.Problems.Select(p => p.Field).ShouldBe(["weeks", "goneShare"]);
    }
}
