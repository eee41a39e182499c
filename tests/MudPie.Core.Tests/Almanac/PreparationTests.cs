using MudPie.Core.Almanac;
using MudPie.Core.Ground;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Core.Works;

namespace MudPie.Core.Tests.Almanac;

/// <summary>Preparations: their dates on both halves of the earth, and a batch from the horn to what is stirred.</summary>
public class PreparationTests
{
    private static readonly DateTimeOffset Now = new(2026, 11, 26, 14, 0, 0, TimeSpan.Zero);

    private static Preparation P(string id) => Preparations.Find(id)!;

    private static DateOnly Day(DateTimeOffset? at) => DateOnly.FromDateTime(at!.Value.UtcDateTime);

    [Theory]
    [InlineData("500", false, "2026-09-28", "2027-03-20", "2027-03-22")]
    [InlineData("500", true, "2026-03-25", "2026-09-23", "2026-09-26")]
    [InlineData("505", false, "2026-10-02", "2027-03-20", "2027-03-22")]
    [InlineData("503", false, "2025-09-22", "2026-03-20", "2026-04-02")]
    public void What_is_buried_in_autumn_is_lifted_after_the_spring_equinox_of_that_half(string id, bool south, string begun, string end,
        string moon)
    {
        var at = new DateTimeOffset(DateOnly.Parse(begun).ToDateTime(new TimeOnly(10, 0)), TimeSpan.Zero);
        var after = PreparationYear.About(P(id), at, south, null);
        Day(after.EndAt).ShouldBe(DateOnly.Parse(end));
        after.LiftAt.ShouldBe(after.EndAt);
        Day(after.FullMoon).ShouldBe(DateOnly.Parse(moon));
        PreparationYear.About(P(id), at, south, "full-moon").LiftAt.ShouldBe(after.FullMoon);
    }

    [Theory]
    [InlineData("501", "2026-03-20", "2026-09-23")]
    [InlineData("504", "2026-06-21", "2027-06-21")]
    public void Others_lie_a_summer_or_a_year_and_no_moon_is_waited_for(string id, string begun, string end)
    {
        var span = PreparationYear.About(P(id), new(DateOnly.Parse(begun).ToDateTime(new TimeOnly(18, 0)), TimeSpan.Zero), false,
            "full-moon");
        (Day(span.EndAt), span.FullMoon).ShouldBe((DateOnly.Parse(end), null));
        span.LiftAt.ShouldBe(span.EndAt);
        PreparationYear.Lifting(span, null, d => $"{d:d}").ShouldBeNull();
    }

    [Theory]
    [InlineData("500", false, "2027-09-23")]
    [InlineData("501", false, "2027-03-20")]
    [InlineData("500", true, "2027-03-20")]
    [InlineData("507", true, "2026-12-21")]
    public void The_next_window_is_told_ahead(string id, bool south, string about)
    {
        var next = PreparationYear.Next(P(id), Now, south, null);
        Day(next.BeginAt).ShouldBe(DateOnly.Parse(about));
        next.To.ShouldBeGreaterThan(Now);
        (next.To - next.From).TotalDays.ShouldBe(42);
    }

    [Fact]
    public void Yarrow_is_hung_at_the_solstice_before_it_is_buried()
    {
        var next = PreparationYear.Next(P("502"), Now, false, null);
        (Day(next.HangAt), Day(next.BeginAt)).ShouldBe((new(2027, 6, 21), new(2027, 9, 23)));
    }

    [Fact]
    public void Usual_amounts_follow_the_area()
    {
        var horn = Preparations.For(P("500"), 3600).Worked;
        horn.Value.ShouldBe((36, 12.6));
        horn.Cautions.ShouldContain(Preparations.RawManure);
        Preparations.For(P("501"), 10_000).Value.ShouldBe((3, 35));
        Preparations.For(P("505"), 10_000).Refused!.Problems[0].Field.ShouldBe("kind");
        Preparations.For(P("500"), double.NaN).Refused!.Problems[0].Field.ShouldBe("areaM2");
    }

    [Fact]
    public void Cautions_are_said_of_quartz_and_of_parts_of_animals_unless_they_are_replaced()
    {
        Preparations.Minding(P("501"), false).ShouldBe([Preparations.Quartz]);
        Preparations.Minding(P("505"), false).ShouldBe([Preparations.AnimalParts]);
        Preparations.Minding(P("505"), true).ShouldBeEmpty();
        Preparations.All.Where(p => p.AnimalPart).ShouldAllBe(p => p.Instead != null);
        Preparations.All.Select(p => p.Id).ShouldBe(["500", "clay", "501", "502", "503", "504", "505", "506", "507", "508"]);
    }

    private static readonly PrepSky North = new(false, null, t => t);

    private static PrepPlan Plan(string kind, string? count = "12") =>
        PrepReading.Of(new PrepAsked { Name = "horns by the gate", Kind = kind, Count = count }, UnitSystem.Metric).Value;

    private static Ruling<WorkStepDone> Do(WorkStepAsked did, PrepPlan plan, IReadOnlyList<WorkPoint> done, DateTimeOffset at) =>
        PrepDeeds.Do(did, plan, PrepCourse.Of(plan, done, North, at), UnitSystem.Metric, at);

    [Fact]
    public void Twelve_horns_go_in_eleven_come_out_and_some_is_stirred()
    {
        var (plan, done) = (Plan("500"), new List<WorkPoint>());
        var buried = new DateTimeOffset(2026, 9, 28, 10, 0, 0, TimeSpan.Zero);
        done.Add(Do(new() { Step = WorkStep.Buried }, plan, done, buried).Value.Point);
        done[0].Count.ShouldBe(12);
        var s = PrepCourse.Of(plan, done, North, Now);
        s.Verdict.Sentence.ShouldBe("Lift it from 21 Mar 2027, or wait for the full moon: 22 Mar 2027.");
        PrepCourse.Short(plan, s, North).ShouldBe(("in the ground", "lift from 21 Mar"));
        s.Due.ShouldBeNull();
        PrepCourse.Dates(plan, s, North).ShouldHaveSingleItem().Rule.ShouldBe("lift");
        var spring = new DateTimeOffset(2027, 3, 25, 9, 0, 0, TimeSpan.Zero);
        PrepCourse.Of(plan, done, North, spring).Due!.Urgency.ShouldBe(2);
        PrepCourse.Of(plan, done, North with { Lift = "full-moon" }, spring.AddDays(-4)).Due!.Urgency.ShouldBe(3,
            "the moon is not full yet");
        Do(new() { Step = WorkStep.Lifted, Count = "13", Amount = "600 g" }, plan, done, spring)
            .Refused!.Problems[0].Field.ShouldBe("count");
        var lifted = Do(new() {
            Step = WorkStep.Lifted, Count = "11", Amount = "620 g", Colour = "dark", Smell = "earthy",
            Stored = "in peat"
        },
            plan, done, spring).Value;
        (lifted.Yields!.Kind, lifted.Yields.Unit, lifted.Yields.Litres).ShouldBe(("hornManure", "kg", 0.62));
        lifted.Yields.Notes.ShouldBe("cow horns; stored in peat; dark, earthy");
        WorkSays.Done(lifted.Point).ShouldBe("lifted, 11, 620 g, dark, earthy");
        done.Add(lifted.Point);
        Do(new() { Step = WorkStep.Stirred, Amount = "900 g" }, plan, done, spring.AddHours(1)).Refused!.Problems[0].Wrong
            .ShouldBe("620 g of it are left.");
        var stirred = Do(new() { Step = WorkStep.Stirred, Amount = "100 g", Added = "35 L", Hours = "1" }, plan, done,
            spring.AddHours(1)).Value;
        stirred.TakesL.ShouldBe(0.1, 1e-12);
        done.Add(stirred.Point);
        var use = PrepCourse.Of(plan, done, North, spring.AddHours(2));
        use.Verdict.Sentence.ShouldBe("Use what is stirred before 13:00.");
        (use.Due!.Urgency, use.LeftSi).ShouldBe((0, 0.52));
        var put = PrepCourse.Of(plan, [.. done.SkipLast(1), stirred.Point with { Id = 9 }], North, spring.AddHours(2),
            new HashSet<int> { 9 });
        (put.UseBy, put.Due, put.Waits).ShouldBe((null, null, false), "what stands in the book is not asked for again");
        PrepCourse.Of(plan, done, North, spring.AddHours(5)).Waits.ShouldBeTrue("it can be written down late");
        PrepCourse.Of(plan, done, North, spring.AddHours(5)).Verdict.Sentence.ShouldBe("520 g left: use it, or try it.");
    }

    [Fact]
    public void What_does_not_come_next_is_refused_with_the_way_out()
    {
        var plan = Plan("500");
        Do(new() { Step = WorkStep.Lifted, Amount = "1 g" }, plan, [], Now).Refused!.Problems[0].Field.ShouldBe("step");
        Do(new() { Step = WorkStep.Hung }, plan, [], Now).Refused!.Problems[0].WayOut.ShouldContain("bury it instead");
        Do(new() { Step = WorkStep.Seen }, plan, [], Now).Refused!.Problems[0].Field.ShouldBe("note");
        Do(new() { Step = WorkStep.Buried, Count = "0" }, plan, [], Now).Refused!.Problems[0].Field.ShouldBe("count");
        Do(new() { Step = WorkStep.Buried, Count = "2.5" }, plan, [], Now).Refused!.Problems[0].Wrong.ShouldContain("whole");
        var buried = Do(new() { Step = WorkStep.Buried }, plan, [], Now).Value.Point;
        Do(new() { Step = WorkStep.Lifted, Amount = "600 g" }, plan, [buried], Now.AddDays(-3)).Refused!.Problems[0].Field.ShouldBe("at");
        PrepReading.Of(new PrepAsked { Name = "x", Kind = "499" }, UnitSystem.Metric).Refused!.Problems[0].Field.ShouldBe("kind");
    }

    [Fact]
    public void Juice_goes_into_its_bottle_and_nothing_is_buried()
    {
        var plan = Plan("507", null);
        var done = Do(new() { Step = WorkStep.Pressed, Amount = "500 mL" }, plan, [], Now).Value;
        (done.Yields!.Unit, done.Yields.Litres, done.Yields.Kind).ShouldBe(("L", 0.5, "preparation"));
        var s = PrepCourse.Of(plan, [done.Point], North, Now.AddDays(1));
        (s.State, s.Next[0]).ShouldBe((PrepState.Lifted, WorkStep.Given));
        Do(new() { Step = WorkStep.Given, Amount = "5 mL" }, plan, [done.Point], Now.AddDays(1)).Refused!.Problems[0].Field
            .ShouldBe("heapId");
        var given = Do(new() { Step = WorkStep.Given, Amount = "5 mL", HeapId = 2 }, plan, [done.Point], Now.AddDays(1)).Value;
        (given.TakesL, WorkSays.Done(given.Point with { What = "heap 2" })).ShouldBe((0.005, "0.005 L went into heap 2"));
        var horsetail = Plan("508", null);
        var brewed = Do(new() { Step = WorkStep.Pressed, Amount = "2 L" }, horsetail, [], Now).Value.Point;
        var thin = Do(new() { Step = WorkStep.Stirred, Amount = "1 L", Added = "5 L" }, horsetail, [brewed], Now.AddHours(1)).Value.Point;
        var sprayed = PrepCourse.Of(horsetail, [brewed, thin], North, Now.AddHours(2));
        (sprayed.UseBy, sprayed.Waits, sprayed.Due).ShouldBe((null, true, null), "no hour is handed down for what is sprayed");
    }

    [Fact]
    public void Without_a_place_no_date_is_made_up()
    {
        var s = PrepCourse.Of(Plan("500"), [], North with { South = null }, Now);
        (s.Span, s.Due).ShouldBe((null, null));
        s.Verdict.Sentence.ShouldStartWith("Say where the holding lies");
    }

    [Fact]
    public void The_moon_is_said_in_words_and_turned_around_in_the_south()
    {
        string D(DateTimeOffset at) => Say.Day(at);
        var north = AlmanacSays.Of(Now, false, ZodiacWay.Boundaries, D);
        north.Phase.ShouldBe("waning, 2 days after the full moon");
        var south = AlmanacSays.Of(Now, true, ZodiacWay.Boundaries, D);
        (north.Course.StartsWith("climbs", StringComparison.Ordinal) != south.Course.StartsWith("climbs", StringComparison.Ordinal))
            .ShouldBeTrue();
        AlmanacSays.Zodiacs(Now, "star-twelfths").Chosen.ShouldBe("star-twelfths");
        AlmanacSays.Zodiacs(Now, "nonsense").Chosen.ShouldBe("boundaries");
    }

    [Fact]
    public void A_mark_stays_with_its_bed_when_the_plan_is_drawn_anew()
    {
        BedDrawn Bed(int id, double x, double y) => new(id, $"bed {id}", [new(x, y), new(x + 10, y), new(x + 10, y + 20), new(x, y + 20)],
            200, true);
        var mark = PlanMarks.At([Bed(1, 5, 5), Bed(2, 40, 5)], new(10, 10))!;
        mark.ShouldBe(new PlanMark(1, 0.5, 0.25));
        PlanMarks.Where([Bed(1, 105, 5)], mark).ShouldBe(new PlanPoint(110, 10));
        PlanMarks.At([Bed(1, 5, 5), Bed(2, 40, 5)], new(39, 4))!.BedId.ShouldBe(2);
        PlanMarks.Where([Bed(2, 0, 0)], mark).ShouldBeNull();
        PlanMarks.At([], new(1, 1)).ShouldBeNull();
        PlanMarks.At([Bed(1, 5, 5)], new(double.NaN, 1)).ShouldBeNull();
        PlanMarks.At([Bed(1, 5, 5)], new(900, 1)).ShouldBeNull();
    }
}
