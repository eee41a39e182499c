using FsCheck.Xunit;
using MudPie.Core.Mixing;

namespace MudPie.Core.Tests.Mixing;

/// <summary>Parts, litres, what is fetched; carbon and nitrogen of what is laid together.</summary>
public sealed class MixesTests
{
    private static MixesQuestion Three(double? ratio, double spare = 0.1, double loss = 0.1, double settle = 0) => new() {
        PotL = 3, SpareShare = spare, MixingLossShare = loss, SettleShare = settle,
        Precharged = new Precharge { Of = "char", With = "castings", Ratio = ratio },
        Mixes =
        [
            new() { Name = "none", Pots = 16, Parts = new Dictionary<string, double> { ["coir"] = 0.6, ["castings"] = 0.4 } },
            new() { Name = "a little", Pots = 16, Parts = new Dictionary<string, double> { ["coir"] = 0.55, ["castings"] = 0.4,
                ["char"] = 0.05 } },
            new() { Name = "more", Pots = 16, Parts = new Dictionary<string, double> { ["coir"] = 0.45, ["castings"] = 0.4,
                ["char"] = 0.15 } },
        ],
    };

    [Fact]
    public void The_ratio_is_solved_where_it_is_left_out_and_the_strongest_mix_sets_it()
    {
        var solved = Mixes.Of(Three(null)).Value;
        solved.MostRatio!.Value.ShouldBe(0.4 / 0.15, 1e-12);
        solved.Mixes[2].Litres.ShouldNotContainKey("castings"); // all of its castings come with the char
        solved.Charging["castings"].ShouldBe(solved.Charging["char"] * 0.4 / 0.15, 1e-9);
    }

    [Fact]
    public void A_ratio_above_the_most_is_refused_and_names_the_mix()
    {
        var refused = Mixes.Of(Three(2.7)).Refused!.Problems.ShouldHaveSingleItem();
        refused.Field.ShouldBe("precharged.ratio");
        refused.Wrong.ShouldContain("“more”");
        refused.WayOut.ShouldContain("2.66 L");
        Mixes.Of(Three(0.4 / 0.15)).Refused.ShouldBeNull(); // the most itself is borne
    }

    [Fact]
    public void Char_in_a_mix_without_what_it_is_charged_with_is_refused_in_words()
    {
        var q = Three(2);
        var refused = Mixes.Of(q with {
            Mixes = [.. q.Mixes!, new() { Name = "bare", Pots = 1, Parts = new Dictionary<string, double> { ["coir"] = 0.9,
                ["char"] = 0.1 } }],
        }).Refused!;
        refused.ToString().ShouldContain("“bare”");
        refused.ToString().ShouldContain("no castings");
    }

    [Fact]
    public void Without_anything_to_charge_there_is_no_ratio_and_no_charge()
    {
        var q = Three(2.5);
        Mixes.Of(q with { Precharged = null }).Value.ShouldSatisfyAllConditions(a => a.MostRatio.ShouldBeNull(),
            a => a.Charging.ShouldBeEmpty(), a => a.Mixes[2].Litres["char"].ShouldBe(a.Mixes[2].LooseL * 0.15, 1e-9));
        Mixes.Of(q with { Mixes = [q.Mixes![0]] }).Value.ShouldSatisfyAllConditions(a => a.MostRatio.ShouldBeNull(),
            a => a.Charging.ShouldBeEmpty());
    }

    [Theory]
    [InlineData("potL")]
    [InlineData("spareShare")]
    [InlineData("mixingLossShare")]
    [InlineData("settleShare")]
    [InlineData("mixes[0].pots")]
    [InlineData("mixes[0].parts")]
    [InlineData("mixes[0].name")]
    [InlineData("mixes")]
    [InlineData("precharged.with")]
    public void Nonsense_is_refused_at_its_field(string field)
    {
        var q = Three(2.5);
        MixParts First(MixParts to) => to;
        var bad = field switch {
            "potL" => q with { PotL = double.NaN },
            "spareShare" => q with { SpareShare = -0.1 },
            "mixingLossShare" => q with { MixingLossShare = 1 },
            "settleShare" => q with { SettleShare = null },
            "mixes[0].pots" => q with { Mixes = [First(q.Mixes![0] with { Pots = 1.5 })] },
            "mixes[0].parts" => q with { Mixes = [First(q.Mixes![0] with { Parts = new Dictionary<string, double> { ["coir"] = 0.9 } })] },
            "mixes[0].name" => q with { Mixes = [First(q.Mixes![0] with { Name = " " })] },
            "mixes" => q with { Mixes = [] },
            _ => q with { Precharged = new Precharge { Of = "char", With = "char" } },
        };
        Mixes.Of(bad).Refused!.Problems.Select(p => p.Field).ShouldContain(field);
    }

    [Property(MaxTest = 200)]
    public void What_is_fetched_less_its_losses_is_what_stands_in_the_pots_with_the_spare(byte pots, byte spare, byte loss, byte settle,
        byte share)
    {
        var (s, l, t, c) = (spare / 255.0, loss / 512.0, settle / 512.0, 0.02 + (share / 1000.0));
        var q = Three(null, s, l, t);
        var answer = Mixes.Of(q with {
            Mixes = [
                .. q.Mixes!.Select(m => m with { Pots = 1 + pots }),
                new() { Name = "own", Pots = 1 + (pots / 2), Parts = new Dictionary<string, double> { ["coir"] = 0.6 - c,
                    ["castings"] = 0.4, ["char"] = c } },
            ],
        }).Value;
        var fetched = answer.Total.Where(p => p.Key != "charged char").Sum(p => p.Value) + answer.Charging.Values.Sum();
        (fetched * (1 - l) * (1 - t)).ShouldBe(answer.Mixes.Sum(m => m.FinishedL), 1e-6);
        answer.Charging.Values.Sum().ShouldBe(answer.Total["charged char"], 1e-6);
        foreach (var m in answer.Mixes)
        {
            m.Litres.Values.Sum().ShouldBe(m.LooseL, 1e-6);
            m.Litres.Values.ShouldAllBe(v => v > 0);
        }
    }

    [Property(MaxTest = 200)]
    public void A_heap_solved_has_the_ratio_that_was_wanted_and_its_parts_carbon_and_nitrogen(byte grass, byte wet, byte target)
    {
        var (kg, w, cn) = (1.0 + grass, 0.5 + (wet / 600.0), 18 + (target / 8.0));
        var q = new CompostQuestion {
            TargetCn = cn,
            Materials = [
                new() { Name = "grass", Kg = kg, Carbon = 0.42, Nitrogen = 0.03, Moisture = w },
                new() { Name = "straw", Carbon = 0.46, Nitrogen = 0.007, Moisture = 0.12 },
            ],
        };
        var solved = CompostRecipe.Of(q).Value;
        solved.Cn.ShouldBe(cn, cn * 1e-9);
        var (c, n) = ((kg * (1 - w) * 0.42) + (solved.MissingKg!.Value * 0.88 * 0.46), (kg * (1 - w) * 0.03)
            + (solved.MissingKg.Value * 0.88 * 0.007));
        (c / n).ShouldBe(cn, cn * 1e-9);
        CompostRecipe.Of(q with { Materials = [q.Materials[0], q.Materials[1] with { Kg = solved.MissingKg }] }).Value.Cn.ShouldBe(cn,
            cn * 1e-9);
    }

    [Fact]
    public void No_amount_that_does_it_is_refused_with_the_way_out()
    {
        HeapMaterial M(string name, double? kg, double c, double n) => new() {
            Name = name, Kg = kg, Carbon = c, Nitrogen = n,
            Moisture = 0.5
        };
        CompostRecipe.Of(new() { TargetCn = 30, Materials = [M("grass", 10, 0.42, 0.03), M("scraps", null, 0.42, 0.024)] }).Refused!
            .ToString().ShouldContain("No amount of scraps (17.5) brings the rest (14) to 30");
        CompostRecipe.Of(new() { TargetCn = 30, Materials = [M("grass", null, 0.42, 0.03), M("straw", null, 0.46, 0.007)] }).Refused!
            .Problems[0].Wrong.ShouldBe("2 amounts are missing.");
        CompostRecipe.Of(new() { Materials = [M("sand", 10, 0.1, 0)] }).Refused.ShouldNotBeNull();
        CompostRecipe.Of(new() { Materials = [M("grass", 0, 0.42, 0.03)] }).Refused.ShouldNotBeNull();
        CompostRecipe.Of(new() { TargetCn = 14, Materials = [M("grass", null, 0.42, 0.03)] }).Refused.ShouldNotBeNull();
        CompostRecipe.Of(new() { Materials = [M("grass", 3, 0.42, 0.03)] }).Value.ShouldBe(new CompostAnswer(14, 0.5, null));
        CompostRecipe.Of(new() { Materials = [M("x", 3, double.NaN, 0.03)] }).Refused!.Problems[0].Field.ShouldBe("materials[0].carbon");
        CompostRecipe.Of(new() { Materials = [M("x", 3, 0.7, 0.6)] }).Refused!.Problems[0].Field.ShouldBe("materials[0].carbon");
    }

    [Fact]
    public void Wood_takes_nitrogen_and_what_breaks_even_neither_gives_nor_takes()
    {
        RottingPart P(double kg, double c, double n, double k) => new() {
            Kg = kg, Carbon = c, Nitrogen = n, Moisture = 0,
            DecayPerWeek = k
        };
        var bark = NitrogenDrawdown.Of(new() { Weeks = 20, Parts = [P(24, 0.48, 0.006, 0.008)] }).Value;
        bark.LowestWeek.ShouldBe(20);
        bark.LowestG.ShouldBe(bark.NetNitrogenG[20]);
        bark.NetNitrogenG.Zip(bark.NetNitrogenG.Skip(1)).ShouldAllBe(w => w.Second < w.First);
        NitrogenDrawdown.Of(new() { Weeks = 4, Parts = [P(24, 0.40, 0.02, 0.06)] }).Value.NetNitrogenG.ShouldAllBe(g => Math.Abs(g) < 1e-9);
        // A quick feed gives for weeks, and then the wood takes: the lowest may lie at the very end.
        var both = NitrogenDrawdown.Of(new() { Weeks = 100, Parts = [P(24, 0.48, 0.006, 0.008), P(0.4, 0.45, 0.12, 0.12)] }).Value;
        both.NetNitrogenG[3].ShouldBeGreaterThan(0);
        both.NetNitrogenG[100].ShouldBeLessThan(0);
        NitrogenDrawdown.Of(new() { Weeks = 0, Parts = [] }).Refused!.Problems.Select(p => p.Field).ShouldBe(["weeks", "parts"]);
        NitrogenDrawdown.Of(new() { Weeks = 1, Parts = [P(-1, 2, 0, 9)] }).Refused!.Problems.Count.ShouldBe(3);
    }

    [Property(MaxTest = 200)]
    public void A_blend_holds_what_its_parts_hold(byte a, byte b, byte heavy)
    {
        var (la, lb, d) = (1.0 + a, 1.0 + b, 0.1 + (heavy / 300.0));
        BlendPart P(double l, double density, double k, double? p) => new() {
            Litres = l, BulkDensityKgPerL = density, MgPerKg = new Dictionary<string, double?> { ["k"] = k, ["p"] = p },
        };
        var blend = Blends.Of(new() { Parts = [P(la, d, 400, 30), P(lb, 0.6, 900, null), P(0, 1, 5, null)] }).Value;
        (blend.MgPerL["k"]!.Value * (la + lb)).ShouldBe((la * d * 400) + (lb * 0.6 * 900), 1e-6);
        (blend.MgPerKg["k"]!.Value * blend.BulkDensityKgPerL).ShouldBe(blend.MgPerL["k"]!.Value, 1e-9);
        blend.MgPerL["p"].ShouldBeNull(); // not known is not nought
        Blends.Of(new() { Parts = [P(la, d, 400, 30), P(0, 1, 5, null)] }).Value.MgPerKg["p"]!.Value.ShouldBe(30, 1e-9);
    }

    [Fact]
    public void A_blend_or_a_char_of_nothing_is_refused()
    {
        Blends.Of(new()).Refused!.Problems[0].Field.ShouldBe("parts");
        Blends.Of(new() { Parts = [new() { Litres = 0, BulkDensityKgPerL = 1 }] }).Refused!.Problems[0].Field.ShouldBe("parts");
        Blends.Of(new() { Parts = [new() { Litres = 1, BulkDensityKgPerL = 1, MgPerKg = new Dictionary<string, double?> { ["k"] = -1 } }] })
            .Refused!.Problems[0].Field.ShouldBe("parts[0].mgPerKg.k");
        CharCarbon.Of(new() { DryKg = 1, CarbonShare = 0.8, MadeAt = "300" }).Refused!.Problems[0].Field.ShouldBe("madeAt");
        CharCarbon.Of(new() { DryKg = -1, CarbonShare = 0.8, MadeAt = "600+" }).Refused!.Problems[0].Field.ShouldBe("dryKg");
        CharCarbon.Of(new() { DryKg = 12, CarbonShare = 1, MadeAt = "350-450" }).Value.KgCo2After100Years.ShouldBe(12 * 0.65 * 44 / 12,
            1e-9);
    }
}
