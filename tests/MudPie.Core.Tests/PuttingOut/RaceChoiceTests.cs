using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;

namespace MudPie.Core.Tests.PuttingOut;

/// <summary>What a brew is carried out with, where a grower says a part of it or nothing.</summary>
public sealed class RaceChoiceTests
{
    private static readonly KitSprayer Knapsack = new(1, "the new knapsack", "knapsack", 15, 1.5, true);
    private static readonly KitSprayer Boom = new(2, "the boom", "boom", 400, null, true);
    private static readonly KitSprayer Weedkiller = new(3, "the old knapsack", "knapsack", 12, 1, false);
    private static readonly KitSprayer Injector = new(4, "the injector", "injector", 1, null, true);
    private static readonly KitSprayer[] Shed = [Boom, Weedkiller, Injector, Knapsack];

    private readonly TypedFields _fields = new(UnitSystem.Metric);

    [Theory]
    [InlineData(90, "the new knapsack")] // six times fifteen
    [InlineData(90.1, "the boom")]
    [InlineData(5000, "the boom")]
    [InlineData(0, "the new knapsack")]
    public void The_smallest_that_needs_six_fillings_or_fewer_is_proposed(double mixL, string name) =>
        RaceChoice.For(null, Shed, new Litres(mixL), _fields).Name.ShouldBe(name);

    [Fact]
    public void A_shed_without_a_clean_sprayer_is_taken_to_have_a_plain_knapsack()
    {
        var kit = RaceChoice.For(null, [Weedkiller, Injector], new Litres(40), _fields);
        (kit.Name, kit.Kind, kit.TankL, kit.FlowLpm, kit.Lanes, kit.BatteryOnCart).ShouldBe((null, "knapsack", 15, null, 1, false));
    }

    [Fact]
    public void A_sprayer_that_was_chosen_is_taken_whatever_it_holds()
    {
        var kit = RaceChoice.For(new RaceAsked { SprayerId = 3, Tank = "400 L" }, Shed, new Litres(5000), _fields);
        (kit.Name, kit.TankL, kit.FlowLpm).ShouldBe(("the old knapsack", 12, 1));
        RaceChoice.For(new RaceAsked { SprayerId = 9 }, Shed, new Litres(40), _fields);
        _fields.Checks.Refusal.Problems.Select(p => p.Field).ShouldBe(["race.sprayerId"]);
    }

    [Theory]
    [InlineData("60 L", "knapsack", 60)]
    [InlineData("61 L", "boom", 61)]
    public void A_tank_of_ones_own_has_no_name_and_none_of_the_sheds_flow(string tank, string kind, double holds)
    {
        var kit = RaceChoice.For(new RaceAsked { Tank = tank }, Shed, new Litres(40), _fields);
        (kit.Name, kit.Kind, kit.TankL, kit.FlowLpm).ShouldBe((null, kind, holds, null));
    }

    [Fact]
    public void What_was_typed_of_ways_and_hands_goes_before_all_else()
    {
        var typed = new RaceAsked { Flow = "2 L/min", Draw = "20 L/min", Way = "7", Lanes = "3", Battery = true };
        var kit = RaceChoice.For(typed, Shed, new Litres(40), _fields);
        (kit.FlowLpm, kit.DrawLpm, kit.TravelMin, kit.Lanes, kit.BatteryOnCart).ShouldBe((2, 20, 7, 3, true));
        var tank = RaceChoice.InTank(typed, Knapsack, null, new Litres(15), new RaceKit { Lanes = 2, DrawLpm = 9 }, _fields);
        (tank.FlowLpm, tank.DrawLpm, tank.TravelMin, tank.Lanes, tank.BatteryOnCart).ShouldBe((2, 20, 7, 3, true));
        _fields.Checks.Sound.ShouldBeTrue();
    }

    [Fact]
    public void What_was_not_typed_in_the_tank_is_as_it_was_planned()
    {
        var planned = new RaceKit { TankL = 15, FlowLpm = 2, DrawLpm = 9, TravelMin = 4, Lanes = 2, BatteryOnCart = true };
        var kit = RaceChoice.InTank(null, null, "a can", new Litres(15), planned, _fields);
        kit.ShouldBe(planned with { Name = "a can", Kind = "knapsack" });
        RaceChoice.InTank(null, null, "a can", new Litres(10), planned, _fields).FlowLpm.ShouldBeNull();
        RaceChoice.InTank(null, Knapsack, "a can", new Litres(15), planned, _fields)
            .ShouldBe(planned with { Name = "the new knapsack", Kind = "knapsack", FlowLpm = 1.5 });
        RaceChoice.InTank(new RaceAsked(), Boom, null, new Litres(400), planned, _fields)
            .ShouldBe(planned with { Name = "the boom", Kind = "boom", TankL = 400, FlowLpm = null, BatteryOnCart = false });
    }

    [Theory]
    [InlineData("flow", "3000 L/min")]
    [InlineData("draw", "0.1 L/min")]
    [InlineData("way", "601")]
    [InlineData("lanes", "11")]
    [InlineData("tank", "0.2 L")]
    public void What_cannot_be_is_refused_at_its_field(string field, string typed)
    {
        RaceChoice.For(new RaceAsked {
            Flow = field == "flow" ? typed : null, Draw = field == "draw" ? typed : null, Way = field == "way" ? typed : null,
            Lanes = field == "lanes" ? typed : null, Tank = field == "tank" ? typed : null,
        }, Shed, new Litres(40), _fields);
        _fields.Checks.Refusal.Problems.Select(p => p.Field).ShouldBe([$"race.{field}"]);
    }
}
