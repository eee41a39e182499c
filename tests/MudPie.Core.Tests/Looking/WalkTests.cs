using MudPie.Core.Looking;

namespace MudPie.Core.Tests.Looking;

/// <summary>Walks, pegs against their own past, and what zones make of a bed's dose.</summary>
public class WalkTests
{
    private static readonly DateTimeOffset June = new(2026, 6, 10, 9, 0, 0, TimeSpan.Zero);

    private static CheckSeen Worms(int id, DateTimeOffset at, Wetness? wet, params int[] counts) =>
        new(id, at, new CheckAsked { Kind = CheckKind.Worms, Counts = counts }, $"{counts.Sum()} worms", wet);

    private static CheckSeen Rod(int id, DateTimeOffset at, double pan) => new(id, at, new CheckAsked {
        Kind = CheckKind.Rod, Pushes = [.. Enumerable.Range(0, 10).Select(i => (IReadOnlyList<double?>)[0.5, 1.0, 1.4, pan + (i % 3 * 0.1),
            1.6])]
    }, "", Wetness.Moist);

    [Fact]
    public void A_peg_is_held_against_the_visit_of_like_wetness_nearest_to_a_year_before()
    {
        var past = PegPast.Of([Worms(1, June.AddYears(-2), Wetness.Moist, 4), Worms(2, June.AddMonths(-12), Wetness.Dry, 2),
            Worms(3, June.AddMonths(-8), Wetness.Moist, 5, 4), Worms(4, June, Wetness.Moist, 12, 11, 13)], t => t)!;
        past.Newest.Id.ShouldBe(4);
        past.Against!.Id.ShouldBe(3, "a year ago it was dry");
        past.Change!.Value.Word.ShouldBe("more");
    }

    [Fact]
    public void Where_nothing_is_like_it_the_peg_says_so()
    {
        var past = PegPast.Of([Worms(1, June.AddYears(-1), Wetness.Wet, 4), Worms(2, June, Wetness.Dry, 2)], t => t)!;
        past.Change.ShouldBeNull();
        past.Says.ShouldBe("not held against 10 Jun 2025: the ground was wet then, and dry now");
        PegPast.Of([Worms(1, June.AddDays(-30), Wetness.Moist, 4), Worms(2, June, Wetness.Moist, 2)], t => t)!.Says
            .ShouldBe("the first time here", "a month apart is one season's look");
        PegPast.Of([], t => t).ShouldBeNull();
        PegPast.Verdict([]).Sentence.ShouldBe("Nothing was looked at here yet.");
        PegPast.Verdict([past]).Sentence.ShouldBe("Nothing to hold it against yet.");
    }

    [Fact]
    public void A_pan_that_softens_is_the_headline_and_one_that_hardens_is_minded()
    {
        PegChange Change(double then, double now) => PegPast.Of([Rod(1, June.AddYears(-1), then), Rod(2, June, now)], t => t)!;
        PegPast.Verdict([Change(2.9, 2.1)]).Sentence.ShouldBe("The pan at 20 cm is giving way.");
        PegPast.Verdict([Change(2.9, 1.5)]).Sentence.ShouldBe("The pan at 20 cm has gone.");
        var hard = PegPast.Verdict([Change(2.2, 2.9)]);
        (hard.Tone, hard.Sentence).ShouldBe((Tone.Mind, "The pan at 20 cm is harder than it was."));
        PegPast.Verdict([Change(2.4, 2.4)]).ShouldBe(new Verdict(Tone.Go, "No change that can be told from chance.",
            "The rod: inside the noise."));
        var fewer = PegPast.Of([Worms(1, June.AddYears(-1), null, 20, 22, 19), Worms(2, June, null, 3, 4, 2)], t => t)!;
        PegPast.Verdict([fewer]).Sentence.ShouldBe("This ground is getting worse.");
        PegPast.Verdict([fewer, Change(1.9, 1.2)]).Sentence.ShouldBe("Some of it is better, some worse.");
    }

    [Fact]
    public void A_single_reading_each_is_no_verdict()
    {
        CheckSeen Block(int id, DateTimeOffset at, double score) => new(id, at, new CheckAsked {
            Kind = CheckKind.Block,
            Layers = [new LayerAsked { ToCm = 30, Score = score }]
        }, "", null);
        var past = PegPast.Of([Block(1, June.AddYears(-1), 4), Block(2, June, 2)], t => t)!;
        past.Change!.Value.Word.ShouldBe(CheckChange.OneEach);
        PegPast.Verdict([past]).Why.ShouldNotContain("noise");
    }

    [Fact]
    public void A_walk_is_due_in_its_month_while_pegs_are_left()
    {
        var plan = new WalkPlan { Kinds = [CheckKind.Worms], Pegs = [1, 2], Months = [4, 10] };
        WalkStands On(int month, int day, params (int Peg, DateOnly At)[] seen) => Walks.Stands(plan, seen.ToDictionary(s => s.Peg,
            s => s.At), new DateOnly(2026, month, day));
        var april = On(4, 10, (1, new(2026, 4, 2)), (2, new(2025, 10, 9)));
        (april.Due, april.Done.Single(), april.Left.Single()).ShouldBe((true, 1, 2));
        On(4, 10, (1, new(2026, 3, 20)), (2, new(2026, 4, 9))).Due.ShouldBeFalse("a visit a fortnight before its month counts");
        On(6, 10).Due.ShouldBeFalse();
        Walks.Next(plan, new DateOnly(2026, 6, 10)).ShouldBe(new DateOnly(2026, 10, 1));
        Walks.Next(plan, new DateOnly(2026, 10, 10)).ShouldBe(new DateOnly(2027, 4, 1));
        Walks.Next(plan with { Months = [] }, new DateOnly(2026, 6, 10)).ShouldBeNull();
        Walks.Stands(plan with { Months = [] }, new Dictionary<int, DateOnly> { [1] = new(2026, 6, 8) }, new(2026, 6, 10)).Done
            .ShouldBe([1]);
    }

    [Fact]
    public void A_walk_without_pegs_or_with_a_month_that_is_none_is_refused()
    {
        Walks.Wrong(new WalkPlan { Kinds = [CheckKind.Worms], Pegs = [1], Months = [4] }).ShouldBeNull();
        Walks.Wrong(new WalkPlan())!.Problems.Select(p => p.Field).ShouldBe(["kinds", "pegs"]);
        Walks.Wrong(new WalkPlan { Kinds = [CheckKind.Worms, CheckKind.Worms], Pegs = [1, 1], Months = [0, 13] })!.Problems
            .Select(p => p.Field).ShouldBe(["kinds", "pegs", "months"]);
    }

    private static readonly (CheckKind Kind, Life Life)[] PoorOnes = [(CheckKind.Worms, Life.Poor), (CheckKind.Crumbs, Life.Poor),
        (CheckKind.Block, Life.Middling)];

    private static readonly (CheckKind Kind, Life Life)[] LivingOnes = [(CheckKind.Worms, Life.Living), (CheckKind.Crumbs, Life.Living),
        (CheckKind.Roots, Life.Living)];

    private static IEnumerable<(int? Zone, LifeSeen Seen)> In(int? zone, (CheckKind Kind, Life Life)[] seen) =>
        seen.Select(s => (zone, new LifeSeen(s.Kind, June.AddDays(-30), s.Life)));

    [Fact]
    public void The_poorest_zone_that_is_known_speaks_for_the_bed()
    {
        GroundLife.OfBed([.. In(1, PoorOnes), .. In(2, LivingOnes)], June).Value.Life.ShouldBe(Life.Poor);
        GroundLife.OfBed([.. In(1, PoorOnes[..1]), .. In(2, LivingOnes)], June).Value.Life.ShouldBe(Life.Living,
            "one kind says nothing of the other zone");
        GroundLife.OfBed([.. In(1, PoorOnes[..2]), .. In(2, LivingOnes[1..]), .. In(null, [(CheckKind.Cotton, Life.Poor)])], June)
            .Value.Life
            .ShouldBe(Life.Poor, "what was found for the whole bed is the third kind in each");
        GroundLife.OfBed([], June).Value.Life.ShouldBeNull();
    }

    [Theory]
    [InlineData(Life.Middling, false, "The dose here steps down from 1000 to 600.", 560)]
    [InlineData(Life.Living, false, "The dose here steps down from 1000 to 300.", 980)]
    [InlineData(Life.Living, true, "The ground is living; you keep the full dose, 1000.", 0)]
    [InlineData(Life.Poor, false, "The full dose here, 1000.", 0)]
    [InlineData(null, false, "Not known yet: the full dose, 1000.", 0)]
    public void The_dose_steps_with_the_ground_and_says_what_it_saves(Life? life, bool kept, string says, double saves)
    {
        var dose = DoseSteps.Of(new GroundLifeAnswer(life, [], "", 1), 1000, 14_000, kept, (l => $"{l:0}", l => $"{l:0} L"));
        dose.Value.Sentence.ShouldBe(says);
        dose.Value.SavesL.ShouldBe(saves, 1e-9);
    }

    [Fact]
    public void Every_check_says_how_it_is_done_and_a_strip_that_was_laid_in_says_nothing_yet()
    {
        CheckHows.All.Select(h => h.Kind).ShouldBe(Enum.GetValues<CheckKind>(), ignoreOrder: true);
        CheckHows.All.ShouldAllBe(h => h.How.Length > 20 && h.Measured.Length > 3);
        CheckHows.All.Where(h => h.Speaks).Select(h => h.Kind).ShouldBe([CheckKind.Block, CheckKind.Worms, CheckKind.Crumbs,
            CheckKind.Roots, CheckKind.Cotton, CheckKind.Co2]);
        var laid = CheckReading.Of(new CheckAsked { Kind = CheckKind.Cotton, Buried = true }).Value;
        (laid.Life, laid.Says).ShouldBe(((Life?)null, "Dig it up in 7 weeks."));
        (CheckReading.Short(CheckKind.Crumbs, 0.75), CheckReading.Short(CheckKind.Rod, 2.14), CheckReading.Short(CheckKind.Worms, 11.33))
            .ShouldBe(("75", "2.1", "11.3"));
        CheckReading.Bounds(CheckKind.Worms).ShouldBe((8, 4));
        CheckReading.Bounds(CheckKind.Weeds).ShouldBeNull();
        CheckHows.Textured(Texture.ClayLoam).ShouldBe("silty clay");
    }
}
