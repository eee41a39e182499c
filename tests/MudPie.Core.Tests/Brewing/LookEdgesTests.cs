using MudPie.Core.Brewing;

namespace MudPie.Core.Tests.Brewing;

/// <summary>Drops, probes and lessons at their limits.</summary>
public sealed class LookEdgesTests
{
    private static TallyQuestion Drop(params TallyField[] fields) =>
        new() { FieldNumberMm = 18, Objective = 40, CoverSlipMm2 = 324, DropMl = 0.05, Fields = fields };

    private static TallyField[] Times(int n, TallyField field) => [.. Enumerable.Repeat(field, n)];

    private static readonly HyphaSeen Thread = new() { LengthUm = 100, WidthUm = 3 };

    [Fact]
    public void What_was_not_seen_has_no_group_and_no_ratio()
    {
        var none = MicroscopeTally.Of(Drop(Times(10, new TallyField { Hyphae = [Thread] }))).Worked;
        (none.Value.FungalToBacterial, none.Value.RatioLow95, none.Value.RatioHigh95).ShouldBe((null, null, null));
        none.Value.Sentence.ShouldBe("No bacteria were seen: no ratio.");
        none.Working.Select(w => w.Name).ShouldBe(["field", "bacteria", "threads of fungi", "bacteria, dry", "fungi, dry"]);
        var bare = MicroscopeTally.Of(Drop(Times(10, new TallyField { Bacteria = 8 }))).Value;
        (bare.FungalToBacterial, bare.RatioLow95).ShouldBe((0, null));
        bare.Sentence.ShouldBe("No threads were seen: bacterial, as far as these fields tell.");
    }

    [Fact]
    public void Every_kind_that_moves_has_its_group()
    {
        var all = MicroscopeTally.Of(Drop(Times(4, new TallyField {
            Bacteria = 5, Flagellates = 1, Amoebae = 2, Ciliates = 3,
            NematodesBacterial = 4, NematodesFungal = 5, NematodesPredatory = 6, NematodesRoot = 7
        }))).Value;
        all.Groups.Select(g => (g.Id, g.Counted)).ShouldBe([("bacteria", 20), ("hyphae", 0), ("flagellates", 4), ("amoebae", 8),
            ("ciliates", 12), ("nematodesBacterial", 16), ("nematodesFungal", 20), ("nematodesPredatory", 24), ("nematodesRoot", 28)]);
        all.Groups[2].PerMl.ShouldBe(all.Groups[0].PerMl / 5, 1e-6);
        all.Groups.ShouldAllBe(g => g.Low95 <= g.PerMl && g.PerMl <= g.High95 && g.High95 > 0);
    }

    [Fact]
    public void A_ratios_interval_by_hand()
    {
        // Even fields: relative variances 1 ÷ 400 and 1 ÷ 10; ratio 706.858 ÷ 12 µm³.
        var a = MicroscopeTally.Of(Drop(Times(10, new TallyField { Bacteria = 40, Hyphae = [Thread] }))).Value;
        var ratio = 706.8583 / 12;
        var times = Math.Exp(1.96 * Math.Sqrt((1 / 400.0) + 0.1));
        a.FungalToBacterial!.Value.ShouldBe(ratio, 1e-3);
        (a.RatioLow95!.Value, a.RatioHigh95!.Value).ShouldBe((ratio / times, ratio * times), 1e-2);
        a.Sentence.ShouldEndWith(": fungal.");
    }

    [Fact]
    public void A_ratio_that_straddles_a_line_is_not_settled_and_few_fields_are_said()
    {
        // 0.3 µm³ bacteria, 706.858 µm³ of thread: 1180 bacteria beside one thread are about 2 to 1.
        var near = MicroscopeTally.Of(Drop(Times(10, new TallyField { Bacteria = 1200, Hyphae = [Thread] }))).Value;
        near.Sentence.ShouldContain("but not settled");
        MicroscopeTally.Of(Drop(Times(9, new TallyField { Bacteria = 8 }))).Value.Sentence
            .ShouldEndWith(" Only 9 fields: twenty are usual.");
        MicroscopeTally.Of(Drop(new TallyField { Bacteria = 8 })).Value.Sentence.ShouldEndWith(" Only 1 field: twenty are usual.");
        MicroscopeTally.Of(Drop(Times(10, new TallyField { Bacteria = 8 }))).Value.Sentence.ShouldNotContain("Only");
    }

    [Fact]
    public void The_part_of_a_field_that_was_counted_is_said()
    {
        var drop = Drop(Times(10, new TallyField { Bacteria = 4, Flagellates = 1 }));
        var part = MicroscopeTally.Of(drop with { BacteriaShare = 0.1 }).Worked;
        part.Working[1].Figures.ShouldBe("40 in 10 fields, counted in 10 % of each");
        part.Working[3].Figures.ShouldBe("10 in 10 fields");
        part.Value.Groups[0].PerMl.ShouldBe(part.Value.Groups[2].PerMl * 40, 1);
        MicroscopeTally.Of(Drop(Times(10, new TallyField { Bacteria = 4 }))).Worked.Working[1].Figures.ShouldBe("40 in 10 fields");
        MicroscopeTally.Of(Drop(Times(10, new TallyField { Bacteria = 4 })) with { BacteriumUm3 = 0.6 }).Value.BacteriaUgPerMl
            .ShouldBe(MicroscopeTally.Of(Drop(Times(10, new TallyField { Bacteria = 4 }))).Value.BacteriaUgPerMl * 2, 1e-9);
    }

    [Fact]
    public void A_tally_that_cannot_be_is_refused_field_by_field()
    {
        static IEnumerable<string> Wrong(TallyQuestion q) => MicroscopeTally.Of(q).Refused!.Problems.Select(p => p.Field);
        Wrong(Drop()).ShouldBe(["fields"]);
        Wrong(Drop(Times(401, new TallyField()))).ShouldBe(["fields"]);
        Wrong(Drop(new TallyField()) with { BacteriaShare = 0, BacteriumUm3 = 9 }).ShouldBe(["bacteriaShare", "bacteriumUm3"]);
        Wrong(Drop(new TallyField { Bacteria = -1, Ciliates = 1e6, Hyphae = [new HyphaSeen { LengthUm = 50, WidthUm = 40 }] }))
            .ShouldBe(["fields[0].bacteria", "fields[0].ciliates", "fields[0].hyphae[0].widthUm"]);
        MicroscopeTally.Of(Drop(Times(400, new TallyField { Bacteria = 1 }))).Refused.ShouldBeNull();
    }

    [Fact]
    public void What_came_through_whole_at_its_lines()
    {
        // Even fields of many: the intervals are narrow, and lie wholly on one side.
        string Says(double before, double after) => Microscope.CameThrough([.. Enumerable.Repeat(before, 100)],
            [.. Enumerable.Repeat(after, 100)]).Value.Sentence;
        Says(100, 90).ShouldBe("About 90 % came through whole: it is gentle enough.");
        Says(100, 70).ShouldStartWith("About 70 % came through whole: it breaks them.");
        Says(100, 80).ShouldContain("count more fields");
        var none = Microscope.CameThrough([50, 60], [0, 0]).Value;
        (none.Share, none.Low95 > 0, none.High95 < 0.8).ShouldBe((0, true, true));
        Microscope.CameThrough([], null).Refused!.Problems.Select(p => p.Field).ShouldBe(["before", "after"]);
    }

    private static ProbePoint Point(double h, double mg) => new(h, mg, mg, mg, 19, 5);

    [Fact]
    public void A_probe_is_compared_within_ten_minutes_and_by_its_nearest_reading()
    {
        Probes.Drift([Point(1, 7.5)], [new(1 + (9.9 / 60), 7)])!.Value.ShouldBe(0.5, 1e-9);
        Probes.Drift([Point(1, 7.5)], [new(1 + (10.1 / 60), 7)]).ShouldBeNull();
        Probes.Drift([Point(1, 7.5), Point(1.1, 7.2)], [new(1.09, 7)])!.Value.ShouldBe(0.2, 1e-9);
        Probes.PutRight([Point(3, 7), Point(3.01, 7)], 0, 3).Count.ShouldBe(1);
    }

    private static Lesson Taught(double alpha, bool vessel = true, bool recipe = true) =>
        new([1, 1, 1, 1, 1, alpha, 1, 1, 1], vessel, recipe);

    [Fact]
    public void Two_brews_in_one_vessel_draw_the_next_two_thirds_of_the_way()
    {
        var prior = Learnt.Prior([Taught(0.8), Taught(0.8)])!;
        prior.Centre[5].ShouldBe(2.0 / 3 * Math.Log(0.8), 1e-12);
        prior.Narrowed[5].ShouldBe(1 / Math.Sqrt(2), 1e-12);
        prior.IsSound.ShouldBeTrue();
        Learnt.Prior([]).ShouldBeNull();
        Learnt.Prior([Taught(0.8, vessel: false, recipe: false)]).ShouldBeNull();
        Learnt.Prior([new Lesson([0.8], true, true)]).ShouldBeNull(); // of another shape
        Learnt.Prior([.. Enumerable.Repeat(Taught(0.8), 20)])!.Narrowed[5].ShouldBe(0.5); // never below a half
        Learnt.Prior([.. Enumerable.Repeat(Taught(1e-9), 3)])!.Centre[5].ShouldBe(-1.5); // nor out of reason
    }

    [Fact]
    public void What_belongs_to_the_vessel_and_what_to_the_recipe_is_taken_from_those()
    {
        var vessel = Learnt.Prior([Taught(0.8, recipe: false)])!;
        vessel.Narrowed.Select(n => n < 1).ShouldBe([false, false, false, false, false, true, true, false, false]);
        var recipe = Learnt.Prior([Taught(0.8, vessel: false)])!;
        recipe.Narrowed.Select(n => n < 1).ShouldBe([true, true, true, true, true, false, false, true, true]);
    }

    [Theory]
    [InlineData(7, 1.7, "this source is strong: it gives up much life, about 1.7 times the table")]
    [InlineData(7, 0.5, "this source is weak: it gives up little life, about 0.5 times the table")]
    [InlineData(5, 0.6, "the air goes over badly in this vessel, about 0.6 times the table")]
    [InlineData(7, 1.02, null)]
    public void What_was_learnt_in_words(int which, double times, string? says)
    {
        var all = Enumerable.Repeat(1.0, 9).ToArray();
        all[which] = times;
        Learnt.InWords(all).ShouldBe(says is null ? [] : [says]);
    }

    [Fact]
    public void The_four_most_telling_are_said_the_most_telling_first()
    {
        // The same times three tells most of what usually strays least: yields by a twentieth, the air by a fifth, foods by a quarter.
        Learnt.InWords([3, 3, 3, 3, 3, 3, 3, 3, 3]).Select(s => s[..s.IndexOf(',')]).ShouldBe(["bacteria make more cells of their food",
            "fungi make more cells of their food", "the air goes over well in this vessel", "the foods are richer than the table's"]);
    }

    [Fact]
    public void A_start_that_is_out_of_reason_is_not_sound()
    {
        var (centre, narrowed) = (new double[9], Enumerable.Repeat(1.0, 9).ToArray());
        new Prior(centre, narrowed).IsSound.ShouldBeTrue();
        new Prior([.. centre.Take(8)], narrowed).IsSound.ShouldBeFalse();
        new Prior(centre, [.. narrowed.Take(8)]).IsSound.ShouldBeFalse();
        new Prior([3, .. centre.Skip(1)], [0.1, .. narrowed.Skip(1)]).IsSound.ShouldBeTrue();
        new Prior([-3.1, .. centre.Skip(1)], narrowed).IsSound.ShouldBeFalse();
        new Prior([double.NaN, .. centre.Skip(1)], narrowed).IsSound.ShouldBeFalse();
        new Prior(centre, [0.09, .. narrowed.Skip(1)]).IsSound.ShouldBeFalse();
        new Prior(centre, [1.1, .. narrowed.Skip(1)]).IsSound.ShouldBeFalse();
    }
}
