using FsCheck.Xunit;
using MudPie.Core.Brewing;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.Brewing;

/// <summary>Water, source, makings, recipes, air: the parts of the brewhouse, against figures from outside.</summary>
public class BrewhouseTests
{
    [Fact]
    public void Mixed_waters_are_dosed_for_their_milligrams_wherever_those_are()
    {
        WaterPart[] parts = [new() { Name = "mains", Kind = WaterKind.Mains, Litres = 60, ChlorineMgPerL = 0.6, Chloramine = true },
            new() { Name = "rain", Kind = WaterKind.Rain, Litres = 120 }];
        var mix = WaterBench.Of(parts, new Dictionary<string, double> { ["ascorbic"] = 0.00002 }).Worked;

        mix.Value.MgPerL.ShouldBe(0.2, 1e-9);
        var ascorbic = mix.Value.Ways[0];
        ascorbic.Amount!.Value.ShouldBe(60 * 0.6 * 2.5, 1e-9);
        ascorbic.Cost!.Value.ShouldBe(90 * 0.00002, 1e-12);
        WaterBench.Of([parts[0]]).Value.Ways[0].Amount!.Value.ShouldBe(ascorbic.Amount.Value, 1e-9);
        mix.Value.Ways.Single(w => w.Way == "stand").WillDo.ShouldBeFalse(); // chloramine stays
        mix.Value.Ways.Single(w => w.Way == "thiosulfate").Amount!.Value.ShouldBe(36 * 7, 1e-9);
        mix.Value.Ways.Select(w => w.Way).ShouldBe(["ascorbic", "thiosulfate", "stand", "bubble", "humic", "citric", "carbon", "ro"]);
    }

    [Fact]
    public void Water_without_a_strip_is_taken_as_two_and_says_so_and_ditch_water_is_stopped()
    {
        var unknown = WaterBench.Of([new WaterPart { Name = "mains", Kind = WaterKind.Mains, Litres = 100 }]).Value;
        unknown.MgPerL.ShouldBe(2);
        unknown.Assumed.ShouldBe(["mains"]);
        unknown.Verdict.Why.ShouldContain("2 mg/L is assumed");
        WaterBench.Of([new WaterPart { Kind = WaterKind.Surface, Litres = 10, ChlorineMgPerL = 0 }]).Value.Verdict.Tone.ShouldBe(Tone.Stop);
        WaterBench.Of([]).Refused!.Problems[0].Field.ShouldBe("parts");
        WaterBench.Of([new WaterPart { Litres = -1, ChlorineMgPerL = 99 }]).Refused!.Problems.Select(p => p.Field)
            .ShouldBe(["parts[0].litres", "parts[0].chlorineMgPerL"]);
    }

    [Theory]
    [InlineData(WaterKind.Rain, 0, 0)]
    [InlineData(WaterKind.Well, 0, 0)]
    [InlineData(WaterKind.Ro, 0, 0)]
    [InlineData(WaterKind.Mains, 2, 1)]
    [InlineData(WaterKind.Surface, 2, 1)]
    [InlineData(null, 2, 1)]
    public void Only_water_that_no_one_treats_is_free_of_chlorine_unread(WaterKind? kind, double mgPerL, int assumed)
    {
        var bench = WaterBench.Of([new WaterPart { Kind = kind, Litres = 20 }]).Value;
        (bench.MgPerL, bench.Assumed.Count).ShouldBe((mgPerL, assumed));
        WaterBench.Of([new WaterPart { Kind = kind, Litres = 20, ChlorineMgPerL = 0.5 }]).Value.MgPerL.ShouldBe(0.5, 1e-12);
    }

    private static SourceAnswers LeafMould => new() {
        Kind = "compost", HeatsWhenTurned = "no", HeatRecord = "kept", AgeMonths = 14,
        Manure = "none", Diseased = "no", Sterilised = "no", Moisture = "wrungOut", Smell = Smell.Earthy
    };

    [Fact]
    public void Finished_leaf_mould_is_good_to_brew() => SourceGate.Judge(LeafMould).Value.Fitness.ShouldBe(SourceFitness.Fit);

    [Theory]
    [InlineData("raw", "kept", "no", "no", "raw manure")]
    [InlineData("composted", "felt", "no", "no", "no heat was written down")]
    [InlineData("none", "kept", "yes", "no", "iseased plants")]
    [InlineData("none", "kept", "no", "yes", "not finished")]
    public void What_brewing_would_multiply_is_refused(string manure, string heat, string diseased, string heats, string because)
    {
        var ruling = SourceGate.Judge(LeafMould with {
            Manure = manure,
            HeatRecord = heat,
            Diseased = diseased,
            HeatsWhenTurned = heats
        }).Value;
        ruling.Fitness.ShouldBe(SourceFitness.Unfit);
        string.Join(" ", ruling.Reasons).ShouldContain(because);
    }

    [Fact]
    public void A_lot_nobody_was_asked_about_is_neither_fit_nor_unfit_and_a_count_gives_its_bias()
    {
        SourceGate.Judge(new SourceAnswers { Kind = "compost" }).Value.Fitness.ShouldBe(SourceFitness.Unasked);
        SourceGate.Judge(LeafMould with { Sterilised = "yes" }).Value.Fitness.ShouldBe(SourceFitness.Mind);
        SourceGate.Judge(LeafMould with { FungalToBacterial = 3 }).Value.BiasByCount.ShouldBe(Bias.Fungal);
        SourceGate.Judge(LeafMould with { Manure = "some" }).Refused!.Problems[0].Field.ShouldBe("manure");
        SourceGate.Judge(LeafMould with { AgeMonths = double.NaN }).Refused!.Problems[0].Field.ShouldBe("ageMonths");
    }

    [Theory]
    [InlineData(7, 0.5, Life.Middling)]
    [InlineData(8, 0.1, Life.Poor)]
    [InlineData(6, 0.8, Life.Living)]
    [InlineData(14, 0.5, Life.Middling)] // 0.29 at seven weeks
    public void A_cotton_strip_tells_poor_ground_from_living(double weeks, double gone, Life life) =>
        GroundAlive.CottonStrip(weeks, gone).Value.Life.ShouldBe(life);

    [Fact]
    public void A_burst_of_carbon_dioxide_tells_the_same_and_living_ground_is_promised_little()
    {
        GroundAlive.Co2Burst(12).Value.Life.ShouldBe(Life.Poor);
        GroundAlive.Co2Burst(95).Value.Sentence.ShouldContain("expect little");
        GroundAlive.CottonStrip(40, 2).Refused!.Problems.Count.ShouldBe(2);
    }

    [Fact]
    public void Ninety_seconds_wash_off_four_fifths_of_a_load_and_loads_add_up()
    {
        var one = ExtractStrength.Of([new ExtractLoad { Litres = 1, Seconds = 90 }], 20, 300).Value;
        one.Washed[0].ShouldBe(0.8, 1e-12);
        one.LitresPer100L.ShouldBe(4, 1e-12);
        var two = ExtractStrength.Of([new ExtractLoad { Litres = 1, Seconds = 90 }, new ExtractLoad { Litres = 1, Seconds = 180 }], 20, 120,
            2e9, 0.5).Value;
        two.LitresPer100L.ShouldBe((0.8 + 0.96) / 20 * 100, 1e-9);
        two.OrganismsPerMl!.Value.ShouldBe(2e9 * 0.5 * 1000 * 1.76 / 20_000, 1);
        two.Mesh.ShouldContain("keeps back");
        ExtractStrength.Of([], 20).Refused.ShouldNotBeNull();
    }

    [Fact]
    public void The_starting_set_has_every_place_to_start_and_each_is_sound_and_scales()
    {
        Recipes.Starting.Count.ShouldBe(18);
        Recipes.Starting.ShouldAllBe(r => Recipes.Wrong(r) == null);
        var bucket = Recipes.Starting.Single(r => r is { Purpose: Purpose.Leaf, Bias: Bias.Balanced, Vessel: "bucket" });
        var scaled = Recipes.ScaledTo(bucket, 170);
        scaled.Foods![0].Ml!.Value.ShouldBe(bucket.Foods![0].Ml!.Value * 10, 1e-9);
        scaled.Sources![0].Litres!.Value.ShouldBeLessThan(bucket.Sources![0].Litres!.Value * 10);
        var back = Recipes.ScaledTo(scaled, 17);
        back.Sources![0].Litres!.Value.ShouldBe(bucket.Sources[0].Litres!.Value, 1e-9);
    }

    [Fact]
    public void A_recipe_file_that_is_wrong_is_told_field_by_field()
    {
        var wrong = Recipes.Wrong(Recipes.Starting[0] with {
            Name = "",
            Bias = null,
            ForLitres = -1,
            Foods = [new FoodAmount { Kind = "blood", Ml = 5 }]
        })!;
        wrong.Problems.Select(p => p.Field).ShouldBe(["name", "bias", "forLitres"]);
        Recipes.Wrong(Recipes.Starting[0] with { Foods = [new FoodAmount { Kind = "blood", Ml = 5 }] })!.Problems[0].Field
            .ShouldBe("foods[0].kind");
        Recipes.Wrong(Recipes.Starting[0] with { Format = "other" })!.Problems[0].Field.ShouldBe("format");
    }

    [Fact]
    public void A_brew_is_no_fertiliser_and_the_figure_says_so()
    {
        var n = BrewNutrients.Of([], [new FoodAmount { Kind = "fishHydrolysate", Ml = 300 }], 100, "annual").Value;
        n.Carried.N.ShouldBe(300 * 1.1 * 0.02, 1e-9); // 6.6 g
        n.ShareN.ShouldBe(6.6 / 1500, 1e-9);
        n.Sentence.ShouldContain("no fertiliser");
    }

    private static AirBenchQuestion OneStone => new() {
        VolumeL = 19,
        Pumps = [new BenchPump { OpenLpm = 6, ShutOffKPa = 20 }],
        Outlets = [new BenchOutlet { Diffuser = "airStone", DepthM = 0.25, LossKPa = 3 }],
    };

    [Fact]
    public void One_pump_and_one_stone_meet_where_the_formula_says()
    {
        var bench = AirBench.Of(OneStone).Value;
        bench.TotalLpm.ShouldBe(6 * (1 - (((9.80665 * 0.25) + 3) / 20)), 1e-6);
        bench.KLa20.ShouldBe(0.05 * 0.25 * bench.TotalLpm * 60 * 278.7 / (19 * OxygenSaturation.MgPerLitre(20, 1)), 1e-6);
        (bench.LightLpm, bench.HeavyLpm).ShouldBe((4.75, 19));
    }

    [Fact]
    public void A_hose_takes_what_Darcy_and_Blasius_say()
    {
        AirBench.HoseLossKPa(60, 3, 8).ShouldBe(2.780337, 1e-5); // worked by hand: 19.89 m/s, Re 10,494, f 0.03122
        AirBench.HoseLossKPa(0, 3, 8).ShouldBe(0);
        var bench = AirBench.Of(OneStone with { Outlets = [OneStone.Outlets[0] with { HoseM = 4, HoseMm = 4 }] }).Value;
        bench.TotalLpm.ShouldBeLessThan(AirBench.Of(OneStone).Value.TotalLpm);
        bench.PressureKPa.ShouldBe((9.80665 * 0.25) + 3 + bench.Outlets[0].HoseKPa, 1e-6);
    }

    [Fact]
    public void Two_pumps_and_two_circuits_share_the_air_by_their_valves()
    {
        var bench = AirBench.Of(OneStone with {
            Pumps = [new BenchPump { OpenLpm = 30, ShutOffKPa = 20, Count = 2 },
                new BenchPump { Curve = [new(40, 0), new(25, 8), new(0, 18)] }],
            Outlets = [new BenchOutlet { Name = "bag", Diffuser = "drilledPipe", DepthM = 0.5, Share = 0.25 },
                new BenchOutlet { Name = "floor", Diffuser = "airStone", DepthM = 0.7, Share = 0.75 }],
            VolumeL = 180,
        }).Value;
        bench.Outlets[1].Lpm.ShouldBe(3 * bench.Outlets[0].Lpm, 1e-6);
        bench.Outlets.Sum(o => o.KLa20).ShouldBe(bench.KLa20, 1e-9);
        var pressure = (9.80665 * 0.7) + 3;
        bench.PressureKPa.ShouldBe(pressure, 1e-9); // the deeper one asks for more; the valve holds the other back
        bench.TotalLpm.ShouldBe((60 * (1 - (pressure / 20))) + (25 * (18 - pressure) / 10), 1e-6);
    }

    [Fact]
    public void A_filled_bottle_counts_for_more_than_the_box_and_a_weak_pump_is_told_why_nothing_comes()
    {
        AirBench.Of(OneStone with { FillL = 2, FillS = 30 }).Worked.Value.TotalLpm.ShouldBe(4, 1e-9);
        AirBench.Of(OneStone with { FillL = 2, FillS = 30 }).Worked.Sure.ShouldBe(Evidence.MeasuredHere);
        AirBench.Of(OneStone with { Outlets = [OneStone.Outlets[0] with { DepthM = 2.5 }] }).Refused!.Problems[0].Wrong
            .ShouldContain("No air comes out");
        AirBench.Of(OneStone with { Pumps = [new BenchPump { Curve = [new(10, 0), new(12, 5)] }] }).Refused!.Problems[0].Field
            .ShouldBe("pumps[0].curve");
        AirBench.Of(OneStone with { Outlets = [] }).Refused!.Problems[0].Field.ShouldBe("outlets");
    }

    [Property(MaxTest = 60)]
    public void More_pressure_from_the_water_never_gives_more_air(byte a, byte b)
    {
        double At(double depth) =>
            AirBench.Of(OneStone with { Outlets = [OneStone.Outlets[0] with { DepthM = depth, HoseM = 2, HoseMm = 5 }] })
                .Match(w => w.Value.TotalLpm, _ => 0);
        var (shallow, deep) = (0.05 + (Math.Min(a, b) / 200.0), 0.05 + (Math.Max(a, b) / 200.0));
        At(deep).ShouldBeLessThanOrEqualTo(At(shallow) + 1e-9);
    }

    [Fact]
    public void Several_outlets_in_the_model_are_their_sum()
    {
        var one = BrewRunTests.Bucket with { Hours = 24 };
        var halves = one with {
            Outlets = [new OutletAir { Diffuser = "airStone", DepthM = one.DepthM, AirLpm = one.AirLpm / 2 },
            new OutletAir { Diffuser = "airStone", DepthM = one.DepthM, AirLpm = one.AirLpm / 2 }]
        };
        BrewRun.Of(halves).Value.MinOxygen.ShouldBe(BrewRun.Of(one).Value.MinOxygen, 1e-6);
        BrewRun.Of(one with { Outlets = [new OutletAir { Diffuser = "bellows", DepthM = 1, AirLpm = 1 }] }).Refused!.Problems[0].Field
            .ShouldBe("outlets[0].diffuser");
    }
}
