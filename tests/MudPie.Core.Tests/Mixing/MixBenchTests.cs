using MudPie.Core.Measures;
using MudPie.Core.Mixing;

namespace MudPie.Core.Tests.Mixing;

/// <summary>The mix bench from words to what is fetched, and the steps of a job.</summary>
public sealed class MixBenchTests
{
    private static readonly DateOnly Today = new(2026, 2, 1);

    private static readonly Dictionary<int, ShelfPart> Shelf = new() {
        [1] = new("coir", "part", 20, 0.12), [2] = new("castings", "castings", 600, 0.35), [3] = new("char", "char", 400, null),
        [4] = new("charged char", "chargedChar", 50, null),
    };

    private static MixKnown Known(DateOnly? charged = null, MixState state = MixState.Planned, UnitSystem units = UnitSystem.Metric) =>
        new(units, Shelf, Today, 12, charged, state);

    private static MixRequest Beetroot => new() {
        Name = "Beetroot", Pot = "3 L", SowOn = new DateOnly(2026, 3, 2),
        Parts = [new() { InputId = 1, Pack = "70 L" }, new() { InputId = 2 }, new() { InputId = 3 }],
        Mixes =
        [
            new() { Name = "none", Count = "16", Shares = ["60", "40"] },
            new() { Name = "a little", Count = "16", Shares = ["55 %", "40", "5"] },
            new() { Name = "more", Count = "16", Shares = ["45", "40", "15"] },
        ],
        Charge = new() { Of = 2, With = 1, Container = "10 L" }, Minutes = "60", Bought = "0.5",
    };

    private static MixBenchAnswer Bench(MixRequest r, MixKnown? known = null) => MixBench.Of(MixReading.Read(r, known ?? Known()).Value)
        .Value;

    [Fact]
    public void The_ratio_is_solved_to_what_a_jug_can_tell_and_the_charge_made_in_whole_containers()
    {
        var a = Bench(Beetroot);
        a.Charge!.Ratio.ShouldBe(2.6);
        a.Charge.MostRatio.ShouldBe(0.4 / 0.15, 1e-9);
        a.Charge.Strongest.ShouldBe("more");
        a.Charge.BlendL.ShouldBe(58.66666667 * 0.2 * 3.6, 1e-4);
        a.Charge.Containers.ShouldBe(5);
        (a.Charge.OfL + a.Charge.WithL).ShouldBe(50, 1e-9);
        (a.Charge.WithL / a.Charge.OfL).ShouldBe(2.6, 1e-9);
        a.Charge.LastDay.ShouldBe(new DateOnly(2026, 2, 16));
        a.Charge.LookOn.ShouldBe([new(2026, 2, 23), new(2026, 3, 2)]);
        a.Verdict.Sentence.ShouldBe("Begin charging by 16 Feb.");
        a.Verdict.Why.ShouldBe("Fetch first: 73.9 L of coir.");
    }

    [Fact]
    public void Bales_count_by_what_they_loosen_to_and_what_is_left_is_said()
    {
        var coir = Bench(Beetroot).Fetch.Single(f => f.Name == "coir");
        coir.Litres.ShouldBe(93.8667, 1e-3);
        coir.ShortL.ShouldBe(73.8667, 1e-3);
        coir.Packs.ShouldBe(2);
        coir.OverL!.Value.ShouldBe(20 + 140 - coir.Litres, 1e-9);
        var castings = Bench(Beetroot).Fetch.Single(f => f.Name == "castings");
        castings.OfCharge.ShouldBe(50 * 2.6 / 3.6, 1e-9);
        castings.Packs.ShouldBeNull();
        castings.ShortL.ShouldBe(0);
        // What lies in the charge was fetched, and still costs what it cost.
        var charging = Bench(Beetroot, Known(Today, MixState.Charging));
        charging.Fetch.Select(f => f.Name).ShouldBe(["coir", "castings"]);
        charging.Fetch.Sum(f => f.OfCharge).ShouldBe(0);
        charging.Cost.ShouldBe(Bench(Beetroot).Cost);
    }

    [Fact]
    public void What_it_costs_says_what_is_not_known_and_stands_beside_what_is_bought()
    {
        var cost = Bench(Beetroot).Cost;
        cost.PerL.ShouldBeNull(); // the char has no price
        cost.Sentence.ShouldStartWith("At least ");
        cost.Sentence.ShouldContain("as char has no price, 1 h of work in it; bought");
        var known = Bench(Beetroot with { Charge = null, Mixes = [Beetroot.Mixes[0]], Parts = [Beetroot.Parts[0], Beetroot.Parts[1]] })
            .Cost;
        known.PerL!.Value.ShouldBe((((35.2 * 0.12) + (23.4667 * 0.35)) + 12) / 52.8, 1e-4);
        Bench(Beetroot with { Charge = null, Parts = [new() { Name = "perlite" }], Mixes = [new() { Count = "1", Shares = ["100"] }] })
            .Cost.Sentence.ShouldContain("not known");
    }

    [Fact]
    public void Raw_char_stops_it_unless_a_reason_is_written_and_charged_char_does_not()
    {
        var raw = Beetroot with { Charge = null };
        Bench(raw).ShouldSatisfyAllConditions(a => a.RawNeedsWhy.ShouldBeTrue(), a => a.Verdict.Tone.ShouldBe(Tone.Stop));
        Bench(raw with { RawWhy = "that is what the trial asks" }).Verdict.Tone.ShouldNotBe(Tone.Stop);
        Bench(raw with { Parts = [raw.Parts[0], raw.Parts[1], new() { InputId = 4 }] }).RawNeedsWhy.ShouldBeFalse();
        var steps = Array.Empty<MixStepStands>();
        MixDeeds.Do(new(MixStep.Mixed, null, null), steps, Bench(raw), DateTimeOffset.UnixEpoch, " ")
            .Refused!.Problems[0].Field.ShouldBe("rawWhy");
        MixDeeds.Do(new(MixStep.Mixed, null, null), steps, Bench(raw), DateTimeOffset.UnixEpoch, "a trial").Refused.ShouldBeNull();
    }

    [Fact]
    public void A_charge_begun_too_late_moves_the_sowing()
    {
        var late = Bench(Beetroot with { SowOn = new DateOnly(2026, 2, 10) });
        late.Verdict.Sentence.ShouldBe("Begin charging today and sow on 15 Feb or later.");
        Bench(Beetroot, Known(Today.AddDays(-9), MixState.Charging)).Verdict.Sentence.ShouldBe("Wait until 6 Feb before you mix.");
        Bench(Beetroot, Known(Today.AddDays(-14), MixState.Charging)).Verdict.Tone.ShouldBe(Tone.Go);
        Bench(Beetroot, Known(Today.AddDays(-30), MixState.Mixed)).Verdict.Sentence.ShouldBe("It is mixed: fill it in.");
    }

    [Fact]
    public void Modules_count_by_cells_a_bed_by_its_depth_and_buckets_by_their_sum()
    {
        var trays = Beetroot with {
            Charge = null,
            Into = Filling.Modules,
            Pot = "30 mL",
            Cells = "84",
            Parts = [.. Beetroot.Parts.Take(2)],
            Mixes = [new() { Count = "10", Shares = ["70", "30"] }]
        };
        Bench(trays).Mixes.Mixes[0].FinishedL.ShouldBe(30e-3 * 84 * 10 * 1.1, 1e-9);
        var bed = trays with {
            Into = Filling.Bed,
            Area = "10 m²",
            Depth = "20 cm",
            InBuckets = true,
            Spare = "0",
            Loss = "0",
            Mixes = [new() { Shares = ["3", "1"] }]
        };
        Bench(bed).Mixes.Mixes[0].Litres["coir"].ShouldBe(1500, 1e-6);
        var us = bed with { Area = "100 sq ft", Depth = "6 in" };
        Bench(us, Known(units: UnitSystem.UsCustomary)).Mixes.Mixes[0].FinishedL.ShouldBe(9.290304 * 0.1524 * 1000, 1e-6);
    }

    [Theory]
    [InlineData("name")]
    [InlineData("pot")]
    [InlineData("spare")]
    [InlineData("mixes[0].count")]
    [InlineData("mixes[0].shares")]
    [InlineData("mixes[1].shares[2]")]
    [InlineData("parts[0]")]
    [InlineData("parts[0].pack")]
    [InlineData("charge.with")]
    [InlineData("charge.of")]
    [InlineData("charge.container")]
    [InlineData("bought")]
    [InlineData("parts")]
    public void What_can_not_be_read_is_named(string field)
    {
        var b = Beetroot;
        var bad = field switch {
            "name" => b with { Name = " " },
            "pot" => b with { Pot = "3 kg" },
            "spare" => b with { Spare = "-5" },
            "mixes[0].count" => b with { Mixes = [b.Mixes[0] with { Count = "1.5" }] },
            "mixes[0].shares" => b with { Mixes = [b.Mixes[0] with { Shares = ["60", "30"] }] },
            "mixes[1].shares[2]" => b with { Mixes = [b.Mixes[0], b.Mixes[1] with { Shares = ["55", "40", "some"] }] },
            "parts[0]" => b with { Parts = [new() { InputId = 99 }, .. b.Parts.Skip(1)] },
            "parts[0].pack" => b with { Parts = [new() { InputId = 1, Pack = "0 L" }, .. b.Parts.Skip(1)] },
            "charge.with" => b with { Charge = new() { Of = 2, With = 2 } },
            "charge.of" => b with { Charge = new() { With = 1 } },
            "charge.container" => b with { Charge = new() { Of = 2, With = 1, Container = "a tub" } },
            "bought" => b with { Bought = "lots" },
            _ => b with { Parts = [] },
        };
        MixReading.Read(bad, Known()).Refused!.Problems.Select(p => p.Field).ShouldContain(field);
    }

    [Fact]
    public void Steps_follow_one_another_and_the_newest_can_be_undone()
    {
        var at = new DateTimeOffset(2026, 2, 1, 8, 0, 0, TimeSpan.Zero);
        var bench = Bench(Beetroot);
        MixStepStands[] charged = [new(1, MixStep.Charged, at)];
        MixDeeds.Do(new(MixStep.Mixed, null, null), [], bench, at, null).Refused!.Problems[0].Wrong.ShouldContain("planned");
        var charge = MixDeeds.Do(new(MixStep.Charged, null, null), [], bench, at, null).Value;
        charge.Takes.Sum(t => t.Litres).ShouldBe(50, 1e-9);
        charge.Blend!.Litres.ShouldBe(50, 1e-9);
        MixDeeds.Do(new(MixStep.Checked, null, null), charged, bench, at.AddDays(3), null).Refused!.Problems[0].Field.ShouldBe("damp");
        var early = MixDeeds.Do(new(MixStep.Mixed, null, null), charged, bench, at.AddDays(9), null).Refused!.Problems[0];
        early.Field.ShouldBe("note");
        early.Wrong.ShouldBe("The char has lain 9 days of 14.");
        MixDeeds.Do(new(MixStep.Mixed, null, "the plants can’t wait"), charged, bench, at.AddDays(9), null).Refused.ShouldBeNull();
        var mixed = MixDeeds.Do(new(MixStep.Mixed, null, null), charged, bench, at.AddDays(14), null).Value;
        mixed.Blend!.Litres.ShouldBe(bench.Charge!.BlendL, 1e-9); // what is over of the charge stays on the shelf
        mixed.Takes.Select(t => t.Name).ShouldBe(["coir", "castings"]);
        mixed.Makes.Sum(m => m.Litres).ShouldBe(52.8 * 3, 1e-9);
        MixDeeds.Undo(1, [.. charged, new(2, MixStep.Mixed, at.AddDays(14))], "x").Refused.ShouldNotBeNull();
        MixDeeds.Undo(1, charged, "").Refused!.Problems[0].Field.ShouldBe("why");
        MixDeeds.Undo(1, charged, "wrong day").Value.Id.ShouldBe(1);
    }

    [Fact]
    public void What_is_due_is_called_for_a_week_before_the_last_day_and_the_charge_looked_at_weekly()
    {
        var q = MixReading.Read(Beetroot, Known()).Value;
        DateOnly Day(DateTimeOffset at) => DateOnly.FromDateTime(at.DateTime);
        MixDue? On(DateOnly day, params MixStepStands[] steps) => MixSays.Due("Beetroot", steps, q, Day, day);
        On(new(2026, 2, 8)).ShouldBeNull();
        On(new(2026, 2, 9))!.Rule.ShouldBe("charge");
        On(new(2026, 2, 17))!.Urgency.ShouldBe(1);
        var charged = new MixStepStands(1, MixStep.Charged, new DateTimeOffset(2026, 2, 1, 8, 0, 0, TimeSpan.Zero));
        On(new(2026, 2, 7), charged).ShouldBeNull();
        On(new(2026, 2, 8), charged)!.Rule.ShouldBe("look");
        On(new(2026, 2, 9), charged, new(2, MixStep.Checked, new DateTimeOffset(2026, 2, 8, 8, 0, 0, TimeSpan.Zero))).ShouldBeNull();
        On(new(2026, 3, 1), charged)!.Rule.ShouldBe("mix");
        MixSays.Dates("Beetroot", [], q, Day).Select(d => (d.Id, d.On)).ShouldBe([("charge", new(2026, 2, 16)), ("sow", new(2026, 3, 2))]);
        MixSays.Dates("Beetroot", [charged], q, Day).Select(d => d.On).ShouldBe([new(2026, 2, 8), new(2026, 2, 15), new(2026, 2, 22),
            new(2026, 3, 1), new(2026, 3, 2)]);
        MixSays.Of(MixState.Charging, [charged], q, new(2026, 2, 10), new DateTimeOffset(2026, 2, 10, 9, 0, 0, TimeSpan.Zero))
            .Figure.ShouldBe("9 days of 14");
        MixSays.Of(MixState.Planned, [], q, new(2026, 2, 17), default).Tone.ShouldBe(Tone.Mind);
    }

    [Fact]
    public void A_pot_of_castings_feeds_a_lettuce_for_a_while_and_says_when_to_feed_it()
    {
        var a = Bench(Beetroot with {
            Charge = null,
            Crop = PotCrop.Lettuce,
            Mixes = [Beetroot.Mixes[0]],
            Parts = [.. Beetroot.Parts.Take(2)]
        });
        var n = a.Each[0].Nitrogen!.Value;
        n.Weeks.Count.ShouldBe(9);
        n.Weeks[8].Wanted.ShouldBe(1.25);
        // 3 L of loose and fines: 1.333 L of castings × 0.7 kg × 0.3 dry × (0.018 − 0.3 × 0.05) × (1 − e^(−0.48)), and what the coir takes
        var castings = 3 / 0.9 * 0.4 * 0.7 * 0.3 * 0.003 * (1 - Math.Exp(-0.48)) * 1000;
        var coir = 3 / 0.9 * 0.6 * 0.12 * 0.45 * (0.005 - (0.47 * 0.05)) * (1 - Math.Exp(-0.024)) * 1000;
        n.Weeks[8].G.ShouldBe(castings + coir, 1e-9);
        n.Weeks.ShouldAllBe(w => w.Low <= w.G && w.G <= w.High);
        n.TopDressWeek.ShouldNotBeNull();
        n.TopDressG!.Value.ShouldBe(n.Weeks.Max(w => w.Wanted!.Value - w.G), 1e-9);
        a.Each[0].Unknown.ShouldBeEmpty();
        NitrogenOutlook.Of([new(Materials.Find("hen")!, 5)], (1.25, 8), "a pot").Value.TopDressWeek.ShouldBeNull();
        NitrogenOutlook.Of([new(Materials.Find("soil")!, 5)], null, "a pot").Value.Sentence.ShouldStartWith("It neither gives nor takes");
    }

    [Fact]
    public void The_growers_own_table_counts_in_a_mix_as_it_does_in_a_heap()
    {
        Material[] own = [Materials.Find("castings")! with { Nitrogen = 0.03 }];
        var plain = Beetroot with { Charge = null, Mixes = [Beetroot.Mixes[0]], Parts = [.. Beetroot.Parts.Take(2)] };
        double Gives(MixKnown known) => Bench(plain, known).Each[0].Nitrogen!.Value.Weeks[^1].G;
        Gives(Known() with { Table = Materials.With(own) }).ShouldBeGreaterThan(Gives(Known()) * 2);
    }

    [Fact]
    public void A_material_is_known_by_its_kind_or_by_the_longest_word_of_its_name()
    {
        Materials.For("castings", "from bin two")!.Id.ShouldBe("castings");
        Materials.For("compost", "leaf-mould compost")!.Id.ShouldBe("compost");
        Materials.For("part", "dried ground kitchen waste")!.Id.ShouldBe("kitchen-dried");
        Materials.For(null, "perlite, coarse")!.Rots.ShouldBeFalse();
        Materials.For(null, "stardust").ShouldBeNull();
        Materials.For("mix", "Beetroot: 15 % char").ShouldBeNull(); // it may hold anything
        Materials.RawChar(null, "char from a neighbour").ShouldBeTrue();
        Materials.RawChar(null, "charged char").ShouldBeFalse();
        Materials.RawChar("mix", "Beetroot: 15 % char").ShouldBeFalse();
        Materials.RawChar("part", "coir").ShouldBeFalse();
        Materials.All.ShouldAllBe(m => m.Carbon + m.Nitrogen <= 1 && m.Moisture < 1 && m.KgPerL > 0);
    }
}
