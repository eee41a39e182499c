using FsCheck.Xunit;
using MudPie.Core.PuttingOut;

namespace MudPie.Core.Tests.PuttingOut;

public class TankJobTests
{
    private static TankJobQuestion Two => new() {
        Purpose = Purpose.Root,
        TankL = 15,
        SpareShare = 0,
        BrewL = 17,
        Dilution = "1:5",
        Beds = [new JobBed { Name = "worn out", AreaM2 = 36, Life = Life.Poor },
            new JobBed { Name = "alive", AreaM2 = 36, Life = Life.Living, LifeSays = "cotton strip of 3 May" }],
    };

    [Fact]
    public void The_dose_steps_down_on_the_living_bed_and_says_which_check_earned_it()
    {
        var job = TankJob.Of(Two).Value;
        job.Beds[0].BrewL.ShouldBe(17 / 1.3, 1e-9); // 17 L over 36 and 36 × 0.3 m²
        job.Beds[1].BrewL.ShouldBe(17 * 0.3 / 1.3, 1e-9);
        job.Beds[1].StepSays.ShouldBe("cotton strip of 3 May: living");
        job.MixL.ShouldBe(102, 1e-9);
        job.LoadCount.ShouldBe(7);
        job.Loads[^1].MixL.ShouldBe(12, 1e-9);
    }

    [Fact]
    public void Without_the_step_both_get_the_same() => TankJob.Of(Two with { StepDown = false }).Value.Beds.Select(b => b.BrewL)
        .ShouldBe([8.5, 8.5]);

    [Theory]
    [InlineData(RateBasis.PerHa, 2000, 72, 14.4)] // 2 L on a hectare over 72 m² is 14.4 mL
    [InlineData(RateBasis.Per100M2, 20, 72, 14.4)]
    [InlineData(RateBasis.PerLitre, 0.2, 102, 20.4)]
    [InlineData(RateBasis.OneIn, 500, 102, 204)]
    public void A_rate_on_any_basis_comes_to_the_same_as_by_hand(RateBasis basis, double rate, double by, double mL)
    {
        _ = by;
        var job = TankJob.Of(Two with { Products = [new JobProduct { Name = "seaweed", Unit = "mL", Basis = basis, Rate = rate }] }).Value;
        job.Products[0].Amount.ShouldBe(mL, 1e-9);
        job.Loads.Sum(l => l.Products[0].Amount).ShouldBe(mL, 1e-9);
    }

    [Property(MaxTest = 150)]
    public void What_goes_in_is_what_is_on_the_beds_and_the_spare(byte brew, byte water, byte spare, byte tank, byte[] areas)
    {
        var question = new TankJobQuestion {
            Purpose = Purpose.Leaf,
            TankL = 20 + tank,
            SpareShare = spare % 50 / 100.0,
            BrewL = brew + 1,
            Dilution = $"1:{water % 20}",
            Beds = [.. areas.Take(40)
                .Select((a, i) => new JobBed { Name = $"Bed {i}", AreaM2 = a + 1, Life = (a % 4) switch { 0 => Life.Poor, 1 =>
                    Life.Middling, 2 => Life.Living, _ => null } }), new JobBed { Name = "last", AreaM2 = 10 }],
            Products = [new JobProduct { Name = "kelp", Unit = "mL", Basis = RateBasis.PerHa, Rate = 1000 },
                new JobProduct { Name = "flour", Unit = "g", Basis = RateBasis.PerLitre, Rate = 2 }],
        };
        var ruling = TankJob.Of(question);
        if (ruling.Refused is not null)
        {
            ruling.Refused.Problems.ShouldAllBe(p => p.Field == "products"); // neat brew leaves no room for a product
            return;
        }

        var job = ruling.Value;
        (job.Beds.Sum(b => b.MixL) + job.SpareL).ShouldBe(job.MixL, 1e-6);
        job.BrewL.ShouldBe(brew + 1, 1e-6); // all of it is shared out
        (job.BrewL + job.WaterL + (job.Products[0].Amount / 1000)).ShouldBe(job.MixL, 1e-6);
        if (job.Loads.Count > 0)
        {
            job.Loads.Sum(l => l.MixL).ShouldBe(job.MixL, 1e-6);
            job.Loads.Sum(l => l.BrewL).ShouldBe(job.BrewL, 1e-6);
            job.Loads.Sum(l => l.Products[1].Amount).ShouldBe(job.Products[1].Amount, 1e-6);
            job.Loads.SelectMany(l => l.Beds).GroupBy(b => b.Name)
                .ShouldAllBe(g => Math.Abs(g.Sum(b => b.MixL) - job.Beds.First(b => b.Name == g.Key).MixL) < 1e-6);
            job.Loads.ShouldAllBe(l => l.MixL <= question.TankL + 1e-6);
        }
    }

    [Fact]
    public void A_bed_with_a_rate_of_its_own_gets_that()
    {
        var job = TankJob.Of(new TankJobQuestion {
            Purpose = Purpose.Leaf,
            TankL = 400,
            SpareShare = 0,
            RateLPerHa = 300,
            Beds = [new JobBed { Name = "a", AreaM2 = 5000 }, new JobBed { Name = "b", AreaM2 = 1000, RateLPerHa = 900 }],
            Products = [new JobProduct { Name = "seaweed", Unit = "mL", Basis = RateBasis.OneIn, Rate = 300 }],
        }).Value;
        job.Beds.Select(b => b.MixL).ShouldBe([150, 90], 1e-9);
        job.Products[0].Amount.ShouldBe(800, 1e-9);
        job.Loads.Single().Beds.Count.ShouldBe(2);
    }

    [Fact]
    public void One_to_fifty_by_the_knapsack_is_called_what_it_is()
    {
        var job = TankJob.Of(new TankJobQuestion {
            Purpose = Purpose.Root, TankL = 15, BrewL = 1000, Dilution = "1:50", SpareShare = 0,
            Beds = [new JobBed { Name = "the field", AreaM2 = 10_000 }]
        }).Worked;
        job.Value.LoadCount.ShouldBe(3400);
        job.Value.Loads.ShouldBeEmpty();
        job.Value.Verdict.Tone.ShouldBe(Tone.Stop);
        job.Value.Beds[0].Millimetres.ShouldBe(5.1, 1e-9);
        job.Cautions.ShouldNotContain(c => c.Id == "too-wet"); // 5 mm is no flood
    }

    [Fact]
    public void A_flood_is_said_by_bed() =>
        TankJob.Of(new TankJobQuestion {
            Purpose = Purpose.Root, TankL = 400, BrewL = 100, Dilution = "1:20", SpareShare = 0,
            Beds = [new JobBed { Name = "Bed 1", AreaM2 = 36 }]
        }).Value.Verdict.Sentence
            .ShouldBe("58 mm on Bed 1: more than an ordinary watering.");

    [Theory]
    [InlineData(null, "Does it find food there")]
    [InlineData("mulch", "Under the mulch")]
    [InlineData("none", "starves in days")]
    public void What_is_put_out_is_asked_whether_it_finds_food(string? waiting, string says)
    {
        TankJob.Of(Two with { FoodWaiting = waiting }).Value.FoodAsked.ShouldNotBeNull().ShouldContain(says);
        TankJob.Of(Two with { FoodWaiting = waiting, Purpose = Purpose.Leaf }).Value.FoodAsked.ShouldBeNull();
    }

    [Fact]
    public void More_than_there_is_can_not_be_put_out()
    {
        var job = TankJob.Of(Two with { BrewPer100M2 = 60 }).Value; // 60 × 0.468 is 28.1 L
        job.Verdict.Tone.ShouldBe(Tone.Stop);
        job.Verdict.Sentence.ShouldBe("That takes 28.1 L of brew, and there are 17 L.");
    }

    [Theory]
    [InlineData(double.NaN, "1:5", "tankL")]
    [InlineData(0, "1:5", "tankL")]
    [InlineData(-4, "1:5", "tankL")]
    [InlineData(1e9, "1:5", "tankL")]
    [InlineData(15, "", "dilution")]
    [InlineData(15, "5 of", "dilution")]
    public void Nonsense_is_refused_at_its_field(double tank, string dilution, string field) =>
        TankJob.Of(Two with { TankL = tank, Dilution = dilution }).Refused.ShouldNotBeNull().Problems.ShouldContain(p => p.Field == field);

    [Fact]
    public void Nothing_in_the_tank_no_beds_and_no_purpose_are_all_said_at_once() =>
        TankJob.Of(new TankJobQuestion { TankL = 15, RateLPerHa = 300 }).Refused.ShouldNotBeNull().Problems.Select(p => p.Field)
            .ShouldBe(["purpose", "beds", "products"], ignoreOrder: true);

    [Fact]
    public void More_than_a_litre_in_a_litre_is_refused() =>
        TankJob.Of(Two with {
            Dilution = "neat",
            Products = [new JobProduct { Name = "kelp", Unit = "mL", Basis = RateBasis.PerLitre, Rate = 100 }]
        }).Refused
            .ShouldNotBeNull().Problems[0].Wrong.ShouldContain("1.1 L of brew and products");
}
