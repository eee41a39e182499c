using MudPie.Core.Looking;

namespace MudPie.Core.Tests.Looking;

/// <summary>What each check of the ground says, and what is refused of it.</summary>
public class CheckTests
{
    private static CheckAnswer Read(CheckAsked r) => CheckReading.Of(r).Value;

    private static string Wrong(CheckAsked r) => CheckReading.Of(r).Refused!.Problems[0].Field;

    /// <summary>So many pushes of one shape, each a little off.</summary>
    private static List<IReadOnlyList<double?>> Pushes(int n, params double[] shape) =>
        [.. Enumerable.Range(0, n).Select(i => (IReadOnlyList<double?>)[.. shape.Select(x => (double?)(x + (((i % 5) - 2) * 0.1)))])];

    [Fact]
    public void The_rod_finds_the_pan_and_says_where_it_may_lie()
    {
        var rod = Read(new() { Kind = CheckKind.Rod, Pushes = Pushes(10, 0.4, 0.8, 1.2, 2.3, 2.6, 2.2, 1.6, 1.5, 1.5) });
        rod.Figure.ShouldBe(2.6, 1e-9);
        (rod.Word, rod.Tone, rod.Says).ShouldBe(("roots stop", Tone.Stop, "A pan from 20 to 30 cm."));
        rod.Lower!.Value.ShouldBe(2.4, 1e-9);
        rod.Upper!.Value.ShouldBe(2.8, 1e-9);
        rod.Life.ShouldBeNull("the rod is not among those that say poor, middling or living");
        Read(new() { Kind = CheckKind.Rod, Pushes = Pushes(3, 0.4, 0.8) }).Word.ShouldBe("free");
        Read(new() { Kind = CheckKind.Rod, Pushes = Pushes(3, 0.4, 1.4), Wheelings = Pushes(3, 2.9) }).Says.ShouldBe("Wheelings: 2.8 MPa.");
        Read(new() { Kind = CheckKind.Rod, Psi = true, Pushes = [[100, 310]] }).Figure.ShouldBe(2.137, 0.001);
        RodReading.Trace([[1, null, 3], [2, 2]]).Select(d => d.Pushes).ShouldBe([2, 1, 1]);
        RodReading.PanOf(RodReading.Trace([[1, 1.9]])).ShouldBeNull();
    }

    [Theory]
    [InlineData(new[] { 13, 9, 12 }, 11.333, Life.Living)]
    [InlineData(new[] { 8 }, 8, Life.Middling)]
    [InlineData(new[] { 4 }, 4, Life.Middling)]
    [InlineData(new[] { 3, 4 }, 3.5, Life.Poor)]
    [InlineData(new[] { 0 }, 0, Life.Poor)]
    public void Worms_are_counted_a_block(int[] counts, double each, Life life)
    {
        var worms = Read(new() { Kind = CheckKind.Worms, Counts = counts });
        worms.Figure.ShouldBe(each, 0.001);
        worms.Life.ShouldBe(life);
        worms.Lower!.Value.ShouldBeLessThanOrEqualTo(worms.Figure);
        worms.Upper!.Value.ShouldBeGreaterThan(worms.Figure);
        Read(new() { Kind = CheckKind.Worms, Counts = counts, SoilC = 5 }).Says!.ShouldContain("Under 8 °C");
    }

    [Theory]
    [InlineData(4.0, 0, 1)]
    [InlineData(5.0, 0, 2)]
    [InlineData(30.0, 0, 3)]
    [InlineData(299.0, 0, 3)]
    [InlineData(300.0, 0.09, 3)]
    [InlineData(null, 0.1, 4)]
    [InlineData(null, 0.25, 5)]
    [InlineData(null, 0.75, 5)]
    [InlineData(null, 0.76, 6)]
    public void A_crumb_has_the_class_that_was_published(double? halfGone, double left, int expected) =>
        CheckReading.CrumbClass(halfGone, left).ShouldBe(expected);

    [Fact]
    public void Eight_crumbs_make_one_class_and_a_share()
    {
        var crumbs = Read(new() { Kind = CheckKind.Crumbs, Classes = [6, 5, 4, 4, 6, 2, 1, 5] });
        (crumbs.Figure, crumbs.Life, crumbs.Shown).ShouldBe((0.75, Life.Middling, "6 of 8 crumbs hold in water, class 4"));
        crumbs.Lower!.Value.ShouldBe(0.349, 0.001);
        Read(new() { Kind = CheckKind.Crumbs, Classes = [2, 3] }).Life.ShouldBe(Life.Poor, "the lower of the two middle ones");
        Read(new() { Kind = CheckKind.Crumbs, Classes = [5, 6] }).Life.ShouldBe(Life.Living);
    }

    [Fact]
    public void A_block_is_scored_by_the_thickness_of_its_layers()
    {
        LayerAsked L(double to, double score, GroundSmell? smell = null, bool mottled = false) =>
            new() { ToCm = to, Score = score, Smell = smell, Mottled = mottled };
        BlockReading.Score([(7, 1), (17, 2), (23, 4), (30, 3)]).ShouldBe(2.4, 1e-12);
        var block = Read(new() { Kind = CheckKind.Block, Layers = [L(7, 1), L(17, 2), L(23, 4), L(30, 3)] });
        (block.Figure, block.Life, block.Word).ShouldBe((2.4, Life.Living, "good"));
        Read(new() { Kind = CheckKind.Block, Layers = [L(30, 3)] }).Life.ShouldBe(Life.Middling);
        Read(new() { Kind = CheckKind.Block, Layers = [L(30, 4)] }).Life.ShouldBe(Life.Poor);
        var sour = Read(new() { Kind = CheckKind.Block, Layers = [L(10, 2), L(30, 3, GroundSmell.Sour)] });
        (sour.Tone, sour.Says).ShouldBe((Tone.Stop, "Sour or rotten: no air. Drain it, stop driving on it."));
        Read(new() { Kind = CheckKind.Block, Layers = [L(30, 2, null, true)] }).Says!.ShouldContain("water stands");
        Wrong(new() { Kind = CheckKind.Block, Layers = [L(20, 2), L(10, 2)] }).ShouldBe("layers[1].toCm");
        Wrong(new() { Kind = CheckKind.Block, Layers = [L(20, 6)] }).ShouldBe("layers[0].score");
    }

    [Theory]
    [InlineData(30_000, "very slow")]
    [InlineData(18_000, "slow")]
    [InlineData(3_600, "middling")]
    [InlineData(1_800, "middling")]
    [InlineData(600, "quick")]
    public void Water_goes_in_by_the_second_pouring(double seconds, string word) =>
        Read(new() { Kind = CheckKind.Infiltration, SecondS = seconds }).Word.ShouldBe(word);

    [Fact]
    public void Roots_that_turn_at_one_depth_tell_of_a_pan_unless_it_is_a_stone()
    {
        var roots = Read(new() { Kind = CheckKind.Roots, Plants = 12, Turned = 4, TurnedAtCm = 20, DeepestCm = [25, 30, 22] });
        (roots.Life, roots.Shown).ShouldBe((Life.Poor, "4 of 12 turn aside at 20 cm, deepest 25 cm"));
        Read(new() { Kind = CheckKind.Roots, Plants = 12, Turned = 3 }).Life.ShouldBe(Life.Middling);
        Read(new() { Kind = CheckKind.Roots, Plants = 12, Turned = 0 }).Life.ShouldBe(Life.Living);
        Read(new() { Kind = CheckKind.Roots, Plants = 12, Turned = 6, Stone = true }).Life.ShouldBeNull();
        Wrong(new() { Kind = CheckKind.Roots, Plants = 10, Turned = 11 }).ShouldBe("turned");
    }

    [Fact]
    public void Nodules_leaves_weeds_moisture_and_a_plain_rod_say_what_they_can()
    {
        var fixing = Read(new() { Kind = CheckKind.Nodules, Plants = 10, Nodules = 140, Cut = 20, Pink = 16 });
        fixing.Word.ShouldBe("fixing");
        fixing.Figure.ShouldBe(11.2, 1e-9);
        Read(new() { Kind = CheckKind.Nodules, Plants = 10, Nodules = 140, Cut = 20, Pink = 8 }).Word.ShouldBe("poorly fixing");
        Read(new() { Kind = CheckKind.Nodules, Plants = 10, Nodules = 40, Cut = 4, Pink = 4 }).Word.ShouldBe("poorly fixing");
        Wrong(new() { Kind = CheckKind.Nodules, Plants = 10, Nodules = 4, Cut = 3, Pink = 4 }).ShouldBe("pink");
        Read(new() { Kind = CheckKind.Leaf, Card = 3, OldYellow = true }).Says!.ShouldStartWith("Old leaves yellow: nitrogen or magnesium");
        string Stand(params int[] metres) => Read(new() { Kind = CheckKind.Leaf, Card = 4, Stand = metres }).Shown;
        Stand(12, 14, 10, 12).ShouldBe("colour 4 of 6, 12 plants a metre, even (spread 14 %)");
        Stand(12, 18, 10, 8).ShouldBe("colour 4 of 6, 12 plants a metre, uneven (spread 36 %)");
        Stand(12, 0, 13, 11).ShouldContain("with gaps");
        CheckReading.Of(new() { Kind = CheckKind.Leaf, Card = 4, Stand = [12, 14, 10, 12] }).Worked.Working.Select(w => w.Name)
            .ShouldBe(["leaf colour", "stand"]);
        Stand(12).ShouldBe("colour 4 of 6, 12 plants a metre");
        Read(new() { Kind = CheckKind.Leaf, Card = 4, PerMetre = 12 }).Shown.ShouldBe(Stand(12)); // as it was kept before
        Wrong(new() { Kind = CheckKind.Leaf, Card = 4, Stand = [12, -1] }).ShouldBe("stand");
        var weeds = Read(new() {
            Kind = CheckKind.Weeds, Weeds = [new() { Kind = "dock", Counts = [1, 0, 2] }, new() { Kind = "fat hen",
            Counts = [6, 4, 2] }]
        });
        (weeds.Figure, weeds.Shown).ShouldBe((20, "20 a m², most of it fat hen"));
        Read(new() { Kind = CheckKind.Moisture, Moist = [new() { ToCm = 10, Feel = 4 }, new() { ToCm = 30, Feel = 2 }] }).Figure
            .ShouldBe((0.875 * 15) + (0.375 * 30), 1e-9);
        Read(new() { Kind = CheckKind.Moisture, Moist = [new() { ToCm = 10, WetG = 120, DryG = 100 }] }).Figure.ShouldBe(26, 1e-9);
        Wrong(new() { Kind = CheckKind.Moisture, Moist = [new() { ToCm = 10, WetG = 90, DryG = 100 }] }).ShouldBe("moist[0].wetG");
        Read(new() { Kind = CheckKind.PlainRod, Feel = [1, 2, 5], MoistToCm = 20 }).Shown.ShouldBe("5 of 5 at 30 cm, moist to 20 cm");
    }

    [Theory]
    [InlineData(0.2, Life.Poor)]
    [InlineData(0.5, Life.Middling)]
    [InlineData(0.7, Life.Living)]
    public void Cotton_says_by_what_is_gone_in_seven_weeks(double gone, Life life) =>
        Read(new() { Kind = CheckKind.Cotton, Gone = gone, Weeks = 7 }).Life.ShouldBe(life);

    [Fact]
    public void Nonsense_is_refused_by_its_field()
    {
        Wrong(new()).ShouldBe("kind");
        Wrong(new() { Kind = CheckKind.Rod }).ShouldBe("pushes");
        Wrong(new() { Kind = CheckKind.Rod, Pushes = [[double.NaN]] }).ShouldBe("pushes");
        Wrong(new() { Kind = CheckKind.Rod, Pushes = [[300]] }).ShouldBe("pushes");
        Wrong(new() { Kind = CheckKind.Rod, Pushes = [[null]] }).ShouldBe("pushes");
        Wrong(new() { Kind = CheckKind.Worms, Counts = [-1] }).ShouldBe("counts");
        Wrong(new() { Kind = CheckKind.Crumbs, Classes = [7] }).ShouldBe("classes");
        Wrong(new() { Kind = CheckKind.Infiltration, SecondS = double.PositiveInfinity }).ShouldBe("secondS");
        Wrong(new() { Kind = CheckKind.Cotton, Gone = 2, Weeks = 7 }).ShouldBe("gone");
        Wrong(new() { Kind = CheckKind.Co2, Burst = -3 }).ShouldBe("burst");
        Wrong(new() { Kind = CheckKind.Weeds, Weeds = [new() { Counts = [1] }] }).ShouldBe("weeds[0].kind");
        Wrong(new() { Kind = CheckKind.Worms, Counts = [1], Note = new string('x', 301) }).ShouldBe("note");
    }

    private static readonly DateTimeOffset Now = new(2026, 6, 10, 8, 0, 0, TimeSpan.Zero);

    private static GroundLifeAnswer Alive(params (CheckKind Kind, int DaysAgo, Life Life)[] seen) =>
        GroundLife.Of(seen.Select(s => new LifeSeen(s.Kind, Now.AddDays(-s.DaysAgo), s.Life)), Now).Value;

    [Fact]
    public void The_ground_is_the_lower_middle_of_three_kinds_or_more()
    {
        Alive((CheckKind.Worms, 3, Life.Living), (CheckKind.Crumbs, 3, Life.Middling), (CheckKind.Block, 3, Life.Poor),
            (CheckKind.Roots, 3, Life.Living)).ShouldSatisfyAllConditions(g => g.Life.ShouldBe(Life.Middling), g => g.Step.ShouldBe(0.6),
            g => g.Says.ShouldBe("middling: by structure, worms, crumbs in water and roots"));
        Alive((CheckKind.Worms, 3, Life.Living), (CheckKind.Crumbs, 3, Life.Living), (CheckKind.Block, 3, Life.Living)).Step.ShouldBe(0.3);
        Alive((CheckKind.Worms, 3, Life.Living), (CheckKind.Crumbs, 3, Life.Living)).ShouldSatisfyAllConditions(g => g.Life.ShouldBeNull(),
            g => g.Step.ShouldBe(1), g => g.Says.ShouldBe("not known: worms and crumbs in water only; 1 kind more"));
        Alive((CheckKind.Worms, 3, Life.Poor), (CheckKind.Worms, 90, Life.Living), (CheckKind.Cotton, 3, Life.Living),
            (CheckKind.Co2, 9, Life.Living)).Life.ShouldBeNull("cotton and CO₂ are one kind, and the newest worms speak");
        Alive((CheckKind.Worms, 366, Life.Living), (CheckKind.Crumbs, 3, Life.Living), (CheckKind.Block, 3, Life.Living))
            .Life.ShouldBeNull();
        Alive().Says.ShouldBe("not known: no check in twelve months");
    }

    [Fact]
    public void Change_is_said_with_its_interval_and_as_often_as_it_is_so_inside_the_noise()
    {
        CheckChanged Change(CheckAsked before, CheckAsked after) => CheckChange.Of(before, after).Value;
        CheckAsked W(params int[] counts) => new() { Kind = CheckKind.Worms, Counts = counts };
        Change(W(4, 5, 4), W(11, 12, 11)).ShouldSatisfyAllConditions(c => c.Word.ShouldBe("more"), c => c.Better.ShouldBe(true),
            c => c.Says.ShouldBe("2.6 times as many, 1.3 to 5.4"));
        Change(W(1, 9, 3), W(4, 20, 10)).Word.ShouldBe("inside the noise", "the blocks stray more than chance");
        Change(W(0), W(0)).Says.ShouldBe("none then, none now");
        Change(W(0), W(30)).Word.ShouldBe("more");
        CheckAsked C(params int[] classes) => new() { Kind = CheckKind.Crumbs, Classes = classes };
        Change(C(6, 6, 6, 1, 1, 1, 1, 1), C(6, 6, 6, 6, 6, 6, 1, 1)).Word.ShouldBe("inside the noise", "6 of 8 after 3 of 8: p 0.31");
        Change(C(1, 1, 1, 1, 1, 1, 1, 1), C(6, 6, 6, 6, 6, 6, 6, 6)).ShouldSatisfyAllConditions(c => c.Word.ShouldBe("hold better"),
            c => c.Change.Lower.ShouldBeGreaterThan(0));
        CheckAsked R(int turned) => new() { Kind = CheckKind.Roots, Plants = 12, Turned = turned };
        Change(R(9), R(2)).ShouldSatisfyAllConditions(c => c.Word.ShouldBe("straighter"), c => c.Better.ShouldBe(true));
        CheckAsked P(double hard, int n = 10) => new() { Kind = CheckKind.Rod, Pushes = Pushes(n, 0.5, 1, hard, 1.5) };
        Change(P(2.9), P(2.1)).ShouldSatisfyAllConditions(c => c.Word.ShouldBe("softer"), c => c.Change.Value.ShouldBe(-0.8, 1e-9),
            c => c.Says.ShouldStartWith("2.1 MPa at 15 cm after 2.9; give or take 0.1"));
        Change(P(2.9), P(2.9)).Word.ShouldBe("inside the noise");
        Change(P(2.9, 1), P(2.1, 1)).Says.ShouldContain("too few pushes");
        CheckChange.Of(W(3), R(2)).Refused!.Problems[0].Field.ShouldBe("kind");
    }
}
