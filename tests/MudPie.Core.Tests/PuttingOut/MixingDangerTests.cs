using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.PuttingOut;

/// <summary>What must never meet, whatever else is forgotten.</summary>
public sealed class MixingDangerTests
{
    private static MixAnswer Mix(params MixItem[] tank) => MixingRules.Of(new MixQuestion { Tank = tank, ChlorineMgPerL = 0 }).Value;

    private static MixPair Pair(string a, string b) => Mix(new MixItem(a, a), new MixItem(b, b)).Pairs.Single();

    /// <summary>Groups that EPA 600/2-80-076 (1980) marks with toxic or flammable gas, fire or explosion when mixed.</summary>
    [Theory]
    [InlineData("chlorine", "acid")]
    [InlineData("chlorine", "ascorbic")]
    [InlineData("chlorine", "peroxide")]
    [InlineData("chlorine", "ammonium")]
    [InlineData("chlorine", "salts")]
    [InlineData("chlorine", "fish")]
    [InlineData("thiosulfate", "acid")]
    [InlineData("thiosulfate", "chlorine")]
    [InlineData("limeSulphur", "acid")]
    [InlineData("sulphur", "acid")]
    [InlineData("caustic", "ammonium")]
    [InlineData("caustic", "acid")]
    public void What_gives_off_gas_or_heat_is_a_plain_never_that_no_label_and_no_reason_sets_aside(string a, string b)
    {
        foreach (var pair in new[] { Pair(a, b), Pair(b, a) })
        {
            (pair.Says, pair.Gas).ShouldBe(("never", true));
            pair.Source.ShouldNotBeEmpty();
        }

        var own = new MixRule(a, b, true, 0, "a label says so", Evidence.MeasuredHere, true);
        MixingRules.Of(new MixQuestion { Tank = [new(a, a), new(b, b)], Own = [own], ChlorineMgPerL = 0 }).Value.Pairs.Single().Says
            .ShouldBe("never");
        MixingRules.Of(new MixQuestion { Tank = [new(a, a), new(b, b)], ChlorineMgPerL = 0 }).Worked.Cautions
            .ShouldContain(MixingRules.GasCaution);
    }

    [Theory]
    [InlineData("copper", "acid")]
    [InlineData("fungicide", "oil")]
    [InlineData("silica", "mycorrhiza")]
    [InlineData("silica", "trichoderma")]
    [InlineData("peroxide", "brew")]
    [InlineData("limeSulphur", "oil")]
    public void What_burns_leaves_or_kills_what_lives_is_never(string a, string b) => Pair(a, b).Says.ShouldBe("never");

    [Fact]
    public void Every_pair_of_kinds_has_an_explicit_answer_and_none_with_a_hazard_is_left_to_a_jar()
    {
        string[] hazards = ["chlorine", "peroxide", "acid", "caustic", "silica", "limeSulphur", "sulphur"];
        // The only company in which a hazard is allowed, each for a reason that stands in the table.
        (string, string)[] allowed =
        [
            ("sulphur", "copper"), ("acid", "tapChlorine"), ("peroxide", "tapChlorine"), ("sulphur", "tapChlorine"),
            ("limeSulphur", "tapChlorine"), ("caustic", "tapChlorine"), ("silica", "tapChlorine"), ("silica", "silica"), ("acid", "fulvic"),
        ];
        foreach (var a in MixingRules.Classes)
        {
            foreach (var b in MixingRules.Classes)
            {
                var rule = MixingRules.Find(a.Id, b.Id, []).ShouldNotBeNull($"{a.Id} and {b.Id}");
                rule.Why.Length.ShouldBeGreaterThan(8);
                rule.Source.ShouldNotBeEmpty($"{a.Id} and {b.Id}");
                if ((hazards.Contains(a.Id) || hazards.Contains(b.Id)) && !allowed.Any(x => x == (a.Id, b.Id) || x == (b.Id, a.Id)))
                {
                    rule.Says.ShouldBe("never", $"{a.Id} and {b.Id}");
                }
            }
        }

        MixingRules.House.Count.ShouldBe(MixingRules.Classes.Count * (MixingRules.Classes.Count + 1) / 2);
    }

    [Fact]
    public void A_pair_that_nobody_knows_is_a_jar_first_outdoors_and_not_fine()
    {
        var answer = Mix(new("x", "other"), new("y", "seaweed"));
        answer.Pairs.Single().Says.ShouldBe("jar");
        answer.Verdict.Tone.ShouldBe(Tone.Mind);
        answer.Verdict.Sentence.ShouldStartWith("Not known: a jar first, small, outdoors");
    }

    [Fact]
    public void The_house_s_own_way_to_clear_water_is_fine_with_a_brew()
    {
        Pair("ascorbic", "brew").Says.ShouldBe("fine");
        Pair("thiosulfate", "living").Says.ShouldBe("fine");
        Pair("ascorbic", "tapChlorine").Says.ShouldBe("fine");
    }

    [Theory]
    [InlineData("chlorine", 1.0, "tapChlorine")]
    [InlineData("chlorine", 40_000.0, "chlorine")]
    [InlineData("chlorine", null, "chlorine")]
    [InlineData("tapChlorine", 50.0, "chlorine")]
    public void Tap_water_is_not_bleach_and_an_unknown_strength_is_taken_for_bleach(string kind, double? mgPerL, string counts) =>
        MixingRules.ClassOf(new("c", kind, MgPerL: mgPerL)).ShouldBe(counts);

    [Theory]
    [InlineData("silica", 7.0, "other")]
    [InlineData("silica", 11.0, "silica")]
    [InlineData("other", 2.5, "acid")]
    [InlineData("other", 12.0, "caustic")]
    [InlineData("ascorbic", 3.0, "acid")]
    public void What_a_thing_is_hangs_on_its_ph_and_not_on_its_name_alone(string kind, double ph, string counts) =>
        MixingRules.ClassOf(new("x", kind, Ph: ph)).ShouldBe(counts);

    [Fact]
    public void What_the_sprayer_held_last_counts_until_it_is_washed()
    {
        var answer = MixingRules.Of(new MixQuestion {
            Tank = [new("vinegar", "acid")], HeldLast = [new("bleach", "chlorine")],
            ChlorineMgPerL = 0
        }).Value;
        answer.Verdict.Tone.ShouldBe(Tone.Stop);
        answer.Verdict.Sentence.ShouldBe("Wash the sprayer first: it held bleach, and vinegar never meets that.");
        MixingRules.Of(new MixQuestion { Tank = [new("vinegar", "acid")], ChlorineMgPerL = 0 }).Value.Verdict.Tone.ShouldBe(Tone.Go);
    }
}
