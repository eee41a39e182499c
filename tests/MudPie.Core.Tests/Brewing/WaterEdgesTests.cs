using MudPie.Core.Brewing;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.Brewing;

/// <summary>Every way of clearing water, what it says, and waters that are mixed.</summary>
public sealed class WaterEdgesTests
{
    private static Worked<ChlorineDoseAnswer> Dose(string? way, double? strip = 0.6, bool chloramine = false, double litres = 50) =>
        WaterClearing.Dose(litres, strip, way, chloramine).Worked;

    [Theory]
    [InlineData("ascorbic", "75 mg of ascorbic acid, stir, wait 5 min.")] // 2.5 × 0.6 × 50
    [InlineData("thiosulfate", "210 mg of sodium thiosulfate pentahydrate, stir, wait 5 min.")]
    [InlineData("humic", "300 mL of liquid humic acid, stir, wait 10 min.")]
    [InlineData("citric", "6.5 mL of citric acid powder, stir, wait 10 min.")]
    [InlineData("stand", "stand, open, in light, 24 h to 48 h.")]
    [InlineData("bubble", "bubble hard, 45 min to 1 h.")]
    [InlineData("carbon", "activated carbon filter, 1 h to 2 h.")]
    [InlineData("ro", "reverse osmosis, 1 h to 4 h.")]
    [InlineData(null, "75 mg of ascorbic acid, stir, wait 5 min.")]
    [InlineData("vitamin C", "75 mg of ascorbic acid, stir, wait 5 min.")]
    [InlineData("Reverse Osmosis", "reverse osmosis, 1 h to 4 h.")]
    public void Each_way_in_a_line(string? way, string says) => WaterClearing.Says(Dose(way).Value).ShouldBe(says);

    [Fact]
    public void With_a_strip_at_zero_nothing_is_added_and_nothing_waited_for()
    {
        foreach (var (id, _) in WaterClearing.Known)
        {
            var none = Dose(id, 0).Value;
            (none.Minutes, none.MinutesAtMost).ShouldBe((0, 0), id);
            (none.Amount ?? 0).ShouldBe(0, id);
            WaterClearing.Says(none).ShouldBe("Nothing to clear: the strip read zero.");
            Dose(id, 0).Cautions.ShouldNotContain(Cautions.StripDecides);
            Dose(id).Cautions.ShouldContain(Cautions.StripDecides);
        }
    }

    [Fact]
    public void Where_no_strip_was_read_two_are_assumed_and_said()
    {
        var dose = Dose(null, null);
        (dose.Value.AssumedMgPerL, dose.Value.Amount).ShouldBe((2, 250));
        dose.Working[0].Source.ShouldBe("no strip read: 2 mg/L assumed");
        (Dose(null).Value.AssumedMgPerL, Dose(null).Working[0].Source).ShouldBe((null, "strip or meter"));
    }

    [Fact]
    public void The_sum_of_a_way_is_shown_by_what_it_goes_by()
    {
        Dose("ascorbic").Working[1].ShouldSatisfyAllConditions(w => w.Formula.ShouldBe("2.5 mg per mg"),
            w => w.Figures.ShouldBe("2.5 × 30 mg"), w => w.Result.ShouldBe("75 mg"));
        Dose("humic").Working[1].ShouldSatisfyAllConditions(w => w.Formula.ShouldBe("6 mL per litre"), w => w.Result.ShouldBe("300 mL"));
        Dose("stand").Working[1].ShouldSatisfyAllConditions(w => w.Formula.ShouldBe("time, then the strip"),
            w => w.Result.ShouldBe("24 h to 48 h"));
        (Dose("ascorbic").Unit, Dose("stand").Unit).ShouldBe(("mg", "min"));
    }

    [Theory]
    [InlineData("stand", true)]
    [InlineData("bubble", true)]
    [InlineData("humic", false)]
    [InlineData("ascorbic", false)]
    public void Chloramine_that_a_way_leaves_is_said(string way, bool stays)
    {
        Dose(way, chloramine: true).Cautions.Any(c => c.Id == "chloramine-stays").ShouldBe(stays);
        Dose(way).Cautions.ShouldNotContain(c => c.Id == "chloramine-stays");
    }

    [Fact]
    public void Powders_that_are_acid_or_break_up_in_it_want_goggles()
    {
        foreach (var (id, _) in WaterClearing.Known)
        {
            Dose(id).Cautions.Contains(Cautions.Acids).ShouldBe(id is "thiosulfate" or "citric", id);
        }
    }

    [Fact]
    public void The_fork_names_the_way_that_was_taken_and_leaves_the_filter_out()
    {
        var fork = Dose("humic").Forks.Single();
        (fork.Chosen, fork.House).ShouldBe(("humic", "ascorbic"));
        fork.Schools.Select(s => s.Id).ShouldBe(["ascorbic", "thiosulfate", "stand", "bubble", "humic", "citric", "ro"]);
        fork.Schools.Select(s => s.Gives).Take(3).ShouldBe(["75 mg, 5 min", "210 mg, 5 min", "24 h to 48 h"]);
    }

    [Fact]
    public void Water_that_cannot_be_is_refused_field_by_field()
    {
        WaterClearing.Dose(0, 11, "prayer", false).Refused!.Problems.Select(p => p.Field).ShouldBe(["volumeL", "chlorineMgPerL", "way"]);
        WaterClearing.Dose(10_000, 10, "ascorbic", false).Refused.ShouldBeNull();
    }

    [Theory]
    [InlineData(WaterKind.Rain, 0.0)]
    [InlineData(WaterKind.Well, 0.0)]
    [InlineData(WaterKind.Ro, 0.0)]
    [InlineData(WaterKind.Mains, null)]
    [InlineData(WaterKind.Surface, null)]
    [InlineData(null, null)]
    public void What_is_known_of_a_water_unread(WaterKind? kind, double? mgPerL) => WaterClearing.Unread(kind).ShouldBe(mgPerL);

    private static WaterPart Part(string name, double litres, double? strip, WaterKind? kind = null, bool chloramine = false) =>
        new() { Name = name, Litres = litres, ChlorineMgPerL = strip, Kind = kind, Chloramine = chloramine };

    private static WaterBenchAnswer Mix(params WaterPart[] parts) => WaterBench.Of(parts).Value;

    [Fact]
    public void Mains_and_rain_mixed_by_hand()
    {
        var mix = Mix(Part("mains", 60, 0.6), Part("rain", 120, null, WaterKind.Rain));
        (mix.TotalL, mix.MgPerL, mix.Assumed.Count, mix.Chloramine).ShouldBe((180, 0.2, 0, false));
        mix.Ways[0].Amount!.Value.ShouldBe(90, 1e-9);
        (mix.Verdict.Tone, mix.Verdict.Sentence, mix.Verdict.Why)
            .ShouldBe((Tone.Mind, "90 mg of ascorbic acid, then a strip at zero.", "36 mg of chlorine in 180 L."));
        var worked = WaterBench.Of([Part("mains", 60, 0.6)]).Worked;
        worked.Sure.ShouldBe(Evidence.MeasuredHere);
        worked.Working.Select(w => w.Name).ShouldBe(["mains", "the mix", "ascorbic acid", "sodium thiosulfate pentahydrate",
            "liquid humic acid", "citric acid powder"]);
        worked.Working[2].Figures.ShouldBe("2.5 × 36 mg");
        worked.Working[4].Figures.ShouldBe("6 × 60 L");
        worked.Cautions.Count.ShouldBe(2);
    }

    [Fact]
    public void A_mix_in_which_a_strip_is_missing_says_which()
    {
        var mix = WaterBench.Of([Part("mains", 10, null, WaterKind.Mains), Part("rain", 10, 0)]).Worked;
        mix.Value.Assumed.ShouldBe(["mains"]);
        mix.Value.MgPerL.ShouldBe(1, 1e-9);
        mix.Value.Verdict.Why.ShouldBe("No strip was read of mains: 2 mg/L is assumed. A strip would settle it.");
        mix.Sure.ShouldBe(Evidence.PractitionersRule);
    }

    [Fact]
    public void Clean_water_wants_nothing_and_open_water_a_test()
    {
        var clean = WaterBench.Of([Part("rain", 10, 0)]).Worked;
        clean.Value.Verdict.Sentence.ShouldBe("Nothing to clear.");
        clean.Cautions.ShouldBe([Cautions.StripDecides]);
        clean.Value.Ways.ShouldAllBe(w => w.WillDo);
        Mix(Part("ditch", 10, 0, WaterKind.Surface)).Verdict.Tone.ShouldBe(Tone.Stop);
    }

    [Fact]
    public void Which_ways_clear_what_is_there()
    {
        Mix(Part("mains", 10, 1)).Ways.Where(w => w.WillDo).Select(w => w.Way).ShouldBe(["ascorbic", "thiosulfate", "stand", "carbon"]);
        var hard = Mix(Part("mains", 10, 1, chloramine: true));
        hard.Ways.Where(w => w.WillDo).Select(w => w.Way).ShouldBe(["ascorbic", "thiosulfate", "carbon"]);
        hard.Verdict.Why.ShouldEndWith(", maybe as chloramine, which standing and bubbling leave.");
        Mix(Part("mains", 10, 0, chloramine: true), Part("other", 10, 1)).Chloramine.ShouldBeFalse(); // none in it, so none to stay
    }

    [Fact]
    public void What_a_way_costs_where_the_shelf_knows_its_price()
    {
        var ways = WaterBench.Of([Part("mains", 60, 0.6)],
            new Dictionary<string, double> { ["ascorbic"] = 0.01, ["carbon"] = 5 }).Value.Ways;
        double? Cost(string way) => ways.Single(w => w.Way == way).Cost;
        Cost("ascorbic")!.Value.ShouldBe(0.9, 1e-9);
        (Cost("stand"), Cost("bubble"), Cost("thiosulfate"), Cost("carbon"), Cost("ro")).ShouldBe((0, 0, null, null, null));
        WaterBench.Of([Part("mains", 60, 0.6)]).Value.Ways[0].Cost.ShouldBeNull();
    }

    [Fact]
    public void Waters_that_cannot_be_are_refused_field_by_field()
    {
        WaterBench.Of([]).Refused!.Problems.Single().Wrong.ShouldBe("There is no water.");
        WaterBench.Of([.. Enumerable.Range(0, 7).Select(i => Part($"{i}", 1, 0))]).Refused!.Problems.Single().Field.ShouldBe("parts");
        WaterBench.Of([.. Enumerable.Range(0, 6).Select(i => Part($"{i}", 1, 0))]).Refused.ShouldBeNull();
        WaterBench.Of([Part("a", 0, 1), Part("b", 1, 11)]).Refused!.Problems.Select(p => p.Field)
            .ShouldBe(["parts[0].litres", "parts[1].chlorineMgPerL"]);
    }
}
