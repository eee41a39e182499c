using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.PuttingOut;

/// <summary>A tank at its limits: what tips its verdict, what is refused, and in what words.</summary>
public sealed class TankEdgesTests
{
    private static TankJobQuestion Drench => new() {
        Purpose = Purpose.Root, TankL = 100, SpareShare = 0, BrewL = 20, Dilution = "1:4",
        Beds = [new JobBed { Name = "the leeks", AreaM2 = 20 }],
    };

    private static TankJobQuestion Spray => new() {
        Purpose = Purpose.Leaf, TankL = 15, SpareShare = 0.1, RateLPerHa = 400,
        Beds = [new JobBed { Name = "kale", AreaM2 = 250 }, new JobBed { Name = "leeks", AreaM2 = 500 }],
        Products = [new JobProduct { Name = "seaweed", Unit = "mL", Basis = RateBasis.PerHa, Rate = 2000 },
            new JobProduct { Name = "flour", Unit = "g", Basis = RateBasis.PerLitre, Rate = 3 }],
    };

    private static Worked<TankJobAnswer> Of(TankJobQuestion q) => TankJob.Of(q).Worked;

    private static IEnumerable<string> Fields(TankJobQuestion q) => TankJob.Of(q).Refused!.Problems.Select(p => p.Field);

    private static IEnumerable<string> Cautions(TankJobQuestion q) => Of(q).Cautions.Select(c => c.Id);

    [Fact]
    public void Two_beds_by_the_hectare_filling_by_filling()
    {
        var job = Of(Spray).Value;
        job.Beds.Select(b => b.MixL).ShouldBe([10, 20], 1e-9); // 400 L/ha on 250 and 500 m²
        (job.MixL, job.SpareL, job.BrewL).ShouldBe((33, 3, 0));
        (job.Dilution, job.OneIn, job.FoodAsked).ShouldBe((null, null, null));
        job.Products.Select(p => (p.Name, p.Unit)).ShouldBe([("seaweed", "mL"), ("flour", "g")]);
        job.Products.Select(p => p.Amount).ShouldBe([165, 99], 1e-9); // 2 L on 0.075 ha and a tenth more; 3 g in each of 33 L
        job.WaterL.ShouldBe(33 - 0.165, 1e-9);
        job.LoadCount.ShouldBe(3);
        job.Loads.Select(l => l.MixL).ShouldBe([15, 15, 3], 1e-9);
        job.Loads[0].Beds.Select(b => (b.Name, Math.Round(b.MixL, 9))).ShouldBe([("kale", 10), ("leeks", 5)]);
        job.Loads[1].Beds.Single().MixL.ShouldBe(15, 1e-9);
        job.Loads[2].Beds.ShouldBeEmpty(); // the spare
        job.Loads[0].WaterL.ShouldBe(15 - 0.075, 1e-9);
        job.Beds[1].Products[0].Amount.ShouldBe(100, 1e-9);
        job.Beds[1].Millimetres.ShouldBe(0.04, 1e-12);
        (job.Verdict.Tone, job.Verdict.Sentence, job.Verdict.Why)
            .ShouldBe((Tone.Go, "3 fillings, 33 L in all.", "3 L of it is spare for priming and dead volume."));
    }

    [Fact]
    public void A_tank_that_is_just_full_is_one_filling()
    {
        var job = Of(Drench).Value;
        (job.LoadCount, job.Verdict.Sentence, job.Loads.Count).ShouldBe((1, "One filling of 100 L.", 1));
        Of(Drench with { TankL = 99.9 }).Value.LoadCount.ShouldBe(2);
    }

    [Theory]
    [InlineData(4, Tone.Go, "One filling of 100 L.")] // 25 mm
    [InlineData(3.99, Tone.Mind, "25 mm on the leeks: more than an ordinary watering.")]
    [InlineData(100, Tone.Go, "One filling of 100 L.")] // a millimetre
    [InlineData(101, Tone.Mind, "One filling of 100 L.")] // the skin of the ground
    public void How_deep_a_drench_may_go(double areaM2, Tone tone, string says)
    {
        var job = Of(Drench with { Beds = [new JobBed { Name = "the leeks", AreaM2 = areaM2 }] }).Value;
        (job.Verdict.Tone, job.Verdict.Sentence).ShouldBe((tone, says));
    }

    [Fact]
    public void The_caution_of_a_flood_goes_with_its_verdict()
    {
        Cautions(Drench with { Beds = [new JobBed { Name = "the leeks", AreaM2 = 4 }] }).ShouldNotContain("too-wet");
        var flood = Of(Drench with { Beds = [new JobBed { Name = "a", AreaM2 = 3.9 }, new JobBed { Name = "b", AreaM2 = 0.1 }] });
        flood.Cautions.ShouldNotContain(c => c.Id == "too-wet"); // 25 mm on both
        var wet = Of(Drench with { Beds = [new JobBed { Name = "a", AreaM2 = 2 }] });
        wet.Cautions.Single(c => c.Id == "too-wet").Text.ShouldStartWith("That is 50 mm of water");
    }

    [Fact]
    public void Poured_at_the_stems_a_thin_film_over_the_bed_is_no_matter()
    {
        var job = Of(Drench with { PerPlantL = 0.5, Beds = [new JobBed { Name = "hops", AreaM2 = 900, Plants = 100 }] }).Value;
        (job.Verdict.Tone, job.Beds[0].LitresAPlant, job.MixL).ShouldBe((Tone.Go, 0.5, 50));
    }

    [Theory]
    [InlineData("none", Tone.Mind, "There is no food waiting for it in that ground: mulch it, or send a feed with it.")]
    [InlineData("mulch", Tone.Go, "None of it is spare for priming and dead volume.")]
    public void Bare_ground_is_minded(string waiting, Tone tone, string why)
    {
        var verdict = Of(Drench with { FoodWaiting = waiting }).Value.Verdict;
        (verdict.Tone, verdict.Why).ShouldBe((tone, why));
    }

    [Theory]
    [InlineData("residue", "The residue feeds it")]
    [InlineData("feed", "The humic or fish that goes with it")]
    public void Food_that_waits_is_told_what_to_do_with(string waiting, string says) =>
        Of(Drench with { FoodWaiting = waiting }).Value.FoodAsked!.ShouldStartWith(says);

    [Theory]
    [InlineData(95, "2 L of brew is left over: more ground, or the heap.")] // of 20 L 19 are wanted: more than a twentieth over
    [InlineData(96, null)]
    public void Brew_that_is_left_over_is_said(double per100M2, string? why)
    {
        var job = Of(Drench with { BrewL = per100M2 == 95 ? 21 : 20, BrewPer100M2 = per100M2 }).Value;
        (job.Verdict.Why == why || (why is null && job.Verdict.Why.Contains("spare"))).ShouldBeTrue(job.Verdict.Why);
    }

    [Fact]
    public void A_hair_more_than_there_is_is_rounding_and_more_than_that_is_not()
    {
        Of(Drench with { BrewPer100M2 = 100.09 }).Value.Verdict.Tone.ShouldBe(Tone.Go);
        Of(Drench with { BrewPer100M2 = 100.2 }).Value.Verdict.Tone.ShouldBe(Tone.Stop);
    }

    [Fact]
    public void A_rate_of_its_own_takes_a_bed_out_of_the_step()
    {
        var job = Of(Drench with {
            Beds = [new JobBed { Name = "a", AreaM2 = 10, Life = Life.Living }, new JobBed { Name = "b", AreaM2 = 10, Life = Life.Middling,
                RateLPerHa = 20_000 }],
        }).Value;
        job.Beds.Select(b => b.StepShare).ShouldBe([0.3, 1]);
        job.Beds.Select(b => b.StepSays).ShouldBe(["its last check: living", null]);
        job.Beds[1].MixL.ShouldBe(20, 1e-9);
        Of(Spray with { Beds = [new JobBed { Name = "a", AreaM2 = 10, Life = Life.Living }] }).Value.Beds[0].StepSays.ShouldBeNull();
        Of(Drench with { Beds = [new JobBed { Name = "a", AreaM2 = 10, Life = Life.Poor }] }).Value.Beds[0].StepSays.ShouldBeNull();
    }

    [Fact]
    public void The_full_mix_of_brew_and_product_is_just_allowed()
    {
        JobProduct Kelp(double mL) => new() { Name = "kelp", Unit = "mL", Basis = RateBasis.PerLitre, Rate = mL };
        TankJob.Of(Drench with { Products = [Kelp(800)] }).Refused.ShouldBeNull(); // a fifth brew, four fifths kelp
        Fields(Drench with { Products = [Kelp(801)] }).ShouldBe(["products"]);
        TankJob.Of(Drench with { Products = [Kelp(800) with { Unit = "g" }, Kelp(100)] }).Refused.ShouldBeNull(); // what is weighed
        TankJob.Of(Spray with { Products = [Kelp(1000)] }).Refused.ShouldBeNull(); // no brew, and no water
    }

    [Fact]
    public void Every_field_that_cannot_be_is_named()
    {
        Fields(Drench with { SpareShare = 0.6 }).ShouldBe(["spareShare"]);
        Fields(Drench with { FoodWaiting = "cake" }).ShouldBe(["foodWaiting"]);
        Fields(Drench with { BrewL = 6000 }).ShouldBe(["brewL"]);
        Fields(Drench with { BrewPer100M2 = 501 }).ShouldBe(["brewPer100M2"]);
        Fields(Drench with { Beds = [new JobBed { Name = "a", AreaM2 = 0 }] }).ShouldBe(["beds[0].areaM2"]);
        Fields(Drench with { Beds = [new JobBed { Name = "a", AreaM2 = 9, RateLPerHa = 0 }] }).ShouldBe(["beds[0].rateLPerHa"]);
        Fields(Drench with { PerPlantL = 300, Beds = [new JobBed { Name = "a", AreaM2 = 9, Plants = 4 }] }).ShouldBe(["perPlantL"]);
        Fields(Spray with { RateLPerHa = null }).ShouldBe(["rateLPerHa"]);
        TankJob.Of(Spray with {
            RateLPerHa = null,
            PerPlantL = 1,
            Beds = [new JobBed { Name = "a", AreaM2 = 9, Plants = 4 }]
        }).Refused.ShouldBeNull();
    }

    [Theory]
    [InlineData(RateBasis.PerKgSeed, "mL")]
    [InlineData(RateBasis.PerM3Mix, "mL")]
    [InlineData(RateBasis.PerHa, "L")]
    [InlineData(RateBasis.OneIn, "g")]
    public void A_rate_that_does_not_fit_a_tank_is_asked_about(RateBasis basis, string unit) =>
        Fields(Spray with { Products = [new JobProduct { Name = "x", Unit = unit, Basis = basis, Rate = 5 }] })
            .ShouldBe(["products[0].basis"]);

    [Fact]
    public void A_rate_by_the_plant_wants_plants_and_a_rate_at_all()
    {
        var byPlant = new JobProduct { Name = "x", Unit = "mL", Basis = RateBasis.PerPlant, Rate = 5 };
        Fields(Spray with { Products = [byPlant] }).ShouldBe(["beds[0].plants", "beds[1].plants"]);
        Fields(Spray with { Products = [byPlant with { Basis = RateBasis.PerHa, Rate = null }] }).ShouldBe(["products[0].rate"]);
        var job = Of(Spray with {
            SpareShare = 0,
            Products = [byPlant],
            Beds = [new JobBed { Name = "a", AreaM2 = 250, Plants = 40 },
            new JobBed { Name = "b", AreaM2 = 250, Plants = 60 }]
        }).Value;
        job.Products[0].Amount.ShouldBe(500, 1e-9);
    }

    [Theory]
    [InlineData(Life.Poor, 1)]
    [InlineData(Life.Middling, 0.6)]
    [InlineData(Life.Living, 0.3)]
    [InlineData(null, 1)]
    public void The_step_by_what_a_check_said(Life? life, double share) => TankJob.Step(life).ShouldBe(share);

    [Fact]
    public void Cautions_are_those_of_this_very_job()
    {
        Cautions(Drench).ShouldBe(["spraying", "brew-on-food", "run-off", "health", "dilution-water"], ignoreOrder: true);
        Cautions(Drench with { Dilution = "neat" }).ShouldNotContain("dilution-water");
        Cautions(Spray).ShouldNotContain("brew-on-food");
        Cautions(Spray).ShouldContain("lifting"); // 33 L by a tank of 15
        Cautions(Spray with { TankL = 31 }).ShouldNotContain("lifting");
        Cautions(Spray with { TankL = 30 }).ShouldContain("lifting");
        Cautions(Spray with { RateLPerHa = 20 / 0.075 / 1.1 }).ShouldNotContain("lifting"); // 20 L in all
        Cautions(Drench with { Purpose = Purpose.Leaf, Dilution = "1:5" }).ShouldNotContain("thin-film");
        Cautions(Drench with { Purpose = Purpose.Leaf, Dilution = "1:6" }).ShouldContain("thin-film");
        Cautions(Drench with { Dilution = "1:6" }).ShouldNotContain("thin-film");
    }

    [Theory]
    [InlineData("neat", "neat")]
    [InlineData("1:1", "even")]
    [InlineData("1:2", "five")]
    [InlineData("1:5", "five")]
    [InlineData("1:6", "twenty")]
    [InlineData("1:20", "twenty")]
    [InlineData("1:21", "fifty")]
    public void The_school_of_thinning_follows_from_what_was_typed(string dilution, string school) =>
        Of(Drench with { Dilution = dilution }).Forks.Single().Chosen.ShouldBe(school);

    [Fact]
    public void A_job_without_brew_has_no_fork_and_its_sum_has_no_dose()
    {
        Of(Spray).Forks.ShouldBeEmpty();
        Of(Spray).Working.Select(w => w.Name).ShouldBe(["kale", "leeks", "with the spare", "fillings", "seaweed", "flour"]);
        Of(Drench).Working[0].Name.ShouldBe("full dose");
        Of(Drench).Working[1].Formula.ShouldBe("area × dose × step × one in");
    }
}
