using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;

namespace MudPie.Core.Tests.PuttingOut;

public class TankStartTests
{
    private static readonly SprayerToGo Bad = new(1, "knapsack", new Litres(15), true, false);
    private static readonly SprayerToGo Boom = new(2, "boom", new Litres(400), true, true);
    private static readonly SprayerToGo Knapsack = new(3, "knapsack", new Litres(15), false, true);

    private static BrewToGo Brew(double litres, Purpose purpose) => new(7, new Litres(litres), purpose, [4, 5]);

    private static TankRequest Start(TankStartQuestion q) => TankStart.Of(q).Value;

    [Theory]
    [InlineData(60, 3, "15 L", "500 L/ha")]
    [InlineData(60.5, 2, "400 L", null)]
    public void More_than_sixty_litres_go_by_boom_and_one_that_held_poison_is_never_proposed(double litres, int sprayer, string tank,
        string? rate)
    {
        var job = Start(new TankStartQuestion { Brew = Brew(litres, Purpose.Leaf), Sprayers = [Bad, Boom, Knapsack] });
        (job.SprayerId, job.Tank, job.Rate).ShouldBe((sprayer, tank, rate)); // one that was measured brings its own rate
        (job.Tool, job.BatchId, job.BedIds.Count).ShouldBe((null, 7, 2));
    }

    [Theory]
    [InlineData(Purpose.Leaf, "1:5")]
    [InlineData(Purpose.Root, "1:1")]
    public void Leaves_are_sprayed_at_one_to_five_and_roots_at_one_to_one(Purpose purpose, string thinned)
    {
        var job = Start(new TankStartQuestion { Brew = Brew(20, purpose) });
        (job.Dilution, job.Purpose, job.Brew).ShouldBe((thinned, purpose, "20 L"));
    }

    [Fact]
    public void Without_a_kit_a_tool_is_named_that_is_large_enough()
    {
        Start(new TankStartQuestion { Brew = Brew(90, Purpose.Leaf) }).Tool.ShouldBe("boom");
        Start(new TankStartQuestion { Brew = Brew(90, Purpose.Leaf) }).Tank.ShouldBe("400 L");
        Start(new TankStartQuestion { Sprayers = [Bad] }).Tool.ShouldBe("knapsack, kept for biology");
        Start(new TankStartQuestion()).Tank.ShouldBe("15 L");
    }

    [Fact]
    public void The_kind_that_is_wanted_is_missing_and_what_there_is_serves() =>
        Start(new TankStartQuestion { Brew = Brew(90, Purpose.Leaf), Sprayers = [Bad, Knapsack] }).SprayerId.ShouldBe(3);

    [Fact]
    public void A_giving_goes_out_as_the_season_worked_it_out()
    {
        var giving = new GivingToGo(11, 9, Purpose.Root, new BottleToGo(6, "3 L", "perHa"), 2, 428.571);
        var job = Start(new TankStartQuestion {
            Giving = giving, Bottle = new BottleToGo(1, "9 L", null), BedId = 4, Purpose = Purpose.Leaf, Sprayers = [Knapsack, Boom]
        });
        (job.SprayerId, job.Rate, job.Purpose, job.GivingId).ShouldBe((2, "428.57 L/ha", Purpose.Root, 11));
        job.BedIds.ShouldBe([9]);
        job.Items.Select(i => (i.InputId, i.Rate, i.Basis)).ShouldBe([(6, "3 L", "perHa")]);
        Start(new TankStartQuestion { Giving = giving with { Bottle = null }, Bottle = new BottleToGo(1, "9 L", null) }).Items
            .ShouldBeEmpty();
    }

    [Fact]
    public void A_bottle_that_was_asked_for_stands_there_at_its_label_and_a_bed_that_was_asked_for_before_the_brews_own()
    {
        var job = Start(new TankStartQuestion {
            Brew = Brew(20, Purpose.Root), Bottle = new BottleToGo(6, "", null), BedId = 8, Purpose = Purpose.Leaf
        });
        job.Items.Select(i => (i.Rate, i.Basis)).ShouldBe([("", "perHa")]);
        job.BedIds.ShouldBe([8]);
        job.Purpose.ShouldBe(Purpose.Root); // what a brew was made for stands before what was asked
        Start(new TankStartQuestion { Purpose = Purpose.Root }).Purpose.ShouldBe(Purpose.Root);
        Start(new TankStartQuestion()).Purpose.ShouldBe(Purpose.Leaf);
    }

    [Fact]
    public void In_other_units_the_words_are_in_those() =>
        Start(new TankStartQuestion { Units = UnitSystem.UsCustomary, Brew = Brew(20, Purpose.Root) }).Brew.ShouldBe("5.28344 gal");

    [Fact]
    public void A_food_in_parts_is_half_now_and_half_six_hours_on()
    {
        new PlanAmount("molasses", "molasses", 0.06, true, 1).InParts().Select(p => (p.Kind, p.Ml, p.AtH))
            .ShouldBe([("molasses", 30.0, 0.0), ("molasses", 30.0, 6.0)]);
    }
}
