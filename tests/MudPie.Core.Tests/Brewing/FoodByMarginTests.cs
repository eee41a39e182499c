using MudPie.Core.Brewing;
using MudPie.Core.PuttingOut;
namespace MudPie.Core.Tests.Brewing;

/// <summary>Food by margin and not by the edge: the most for which nine brews in ten stay above 6 mg/L.</summary>
public class FoodByMarginTests
{
    private static readonly DateTimeOffset Now = new(2026, 5, 4, 7, 0, 0, TimeSpan.Zero);

    private static BrewPlanQuestion Asked(double litres, double air, double warmth) => new() {
        Beds = [new PlanBed { Name = "Ridge Bed 1", AreaM2 = litres / 1.05 / 5 * 100, Growing = "annual" }],
        Purpose = Purpose.Leaf,
        UseAt = Now.AddHours(60),
        Now = Now,
        VesselWorkingL = litres,
        VesselDepthM = 0.5,
        PumpOpenLpm = air * 1.2,
        PumpShutOffKPa = 60,
        Diffuser = "drilledPipe",
        AirLpm = air,
        ChlorineMgPerL = 0,
        WarmthC = warmth,
        SwingC = 2,
        Race = new RaceKit { Name = "the boom", Kind = "boom", TankL = 2000, FlowLpm = 80, DrawLpm = 80 },
    };

    private static BrewPlanAnswer Plan(BrewPlanQuestion q) => BrewPlan.Of(q, d => d).Value;

    [Theory]
    [InlineData(20, 8, 18)]
    [InlineData(60, 20, 24)]
    [InlineData(150, 46, 18)]
    [InlineData(700, 120, 21)]
    [InlineData(900, 200, 15)]
    public void The_house_gives_the_most_for_which_nine_in_ten_stay_above_and_a_tenth_more_would_not(double litres, double air,
        double warmth)
    {
        var q = Asked(litres, air, warmth);
        var house = Plan(q);
        house.Forecast.ProbabilityBelow6.ShouldBeLessThanOrEqualTo(0.1 + 1e-9);
        house.Verdict.Sentence.ShouldNotStartWith("It would run short");
        house.FoodSays.ShouldNotBeNull();
        if (house.FoodSays.StartsWith("All of the usual food", StringComparison.Ordinal))
        {
            return;
        }

        // By hand a fifth of the usual recipe more than that: the tenths, and the measuring, may hide a little.
        var usual = Plan(q with { Choices = new Dictionary<string, string> { ["food"] = "rich" } }).Foods.ToDictionary(f => f.Kind,
            f => f.Litres / 1.5);
        var more = Plan(q
            with {
            Foods =
                [.. usual.Select(u => new FoodAmount { Kind = u.Key,
                    Ml = ((house.Foods.SingleOrDefault(f => f.Kind == u.Key)?.Litres ?? 0) + (0.2 * u.Value)) * 1000 })]
        });
        more.Forecast.ProbabilityBelow6.ShouldBeGreaterThan(0.1, house.FoodSays);
        // It says so, and where nine in ten would stay.
        more.FoodSays.ShouldNotBeNull().ShouldContain("Nine brews in ten would stay above 6 mg/L with");
    }

    [Theory]
    [InlineData(20, 8, 18)]
    [InlineData(60, 20, 24)]
    [InlineData(150, 46, 20)]
    public void Of_food_set_by_hand_it_never_says_that_all_of_it_is_safe_where_the_forecast_says_otherwise(double litres, double air,
        double warmth)
    {
        for (var times = 0.6; times < 2; times += 0.2)
        {
            var plan = Plan(Asked(litres, air, warmth) with {
                Foods = [new() { Kind = "fishHydrolysate", Ml = times * litres },
                new() { Kind = "molasses", Ml = times * litres / 3 }]
            });
            (plan.FoodSays is null).ShouldBe(plan.Forecast.ProbabilityBelow6 <= 0.1 + 1e-9);
            plan.FoodSays?.ShouldNotContain("with 100 % of this food");
        }
    }

    [Fact]
    public void The_screen_says_where_the_edge_is()
    {
        var plan = Plan(Asked(60, 20, 24));
        plan.FoodSays.ShouldNotBeNull()
            .ShouldMatch(
                @"^\d+ % of the usual food is the most for which nine brews in ten stay above 6 mg/L; "
                    + @"the middle one (stands at the edge with \d+ %|carries (all of it|no tenth more))\.$");
        var fork = BrewPlan.Of(Asked(60, 20, 24), d => d).Worked.Forks.Single(f => f.Id == "food");
        fork.Schools.Single(s => s.Id == "carry").Gives.ShouldContain("the edge is at");
        fork.Schools.Single(s => s.Id == "carry").Name.ShouldContain("nine brews in ten");
    }

    [Fact]
    public void Air_that_carries_no_food_gives_none_and_says_so()
    {
        var plan = Plan(Asked(150, 4, 22));
        plan.Foods.ShouldBeEmpty();
        plan.FoodSays.ShouldNotBeNull().ShouldContain("none is put in");
    }

    [Fact]
    public void What_earlier_brews_taught_moves_the_margin()
    {
        var q = Asked(60, 20, 24);
        // Air that goes over better than the table's, and all of it known well: more food is safe.
        var known = q with {
            Prior = new Prior([.. Multipliers.Names.Select(n => n == "air goes over" ? 0.3 : 0)],
            [.. Multipliers.Names.Select(_ => 0.3)])
        };
        double Fed(BrewPlanQuestion x) => Plan(x).Foods.Sum(f => f.Litres);
        Fed(known).ShouldBeGreaterThan(Fed(q));
    }

    [Fact]
    public void Figures_until_use_are_those_of_a_run_of_so_many_hours()
    {
        var plan = Plan(Asked(150, 46, 18));
        var alone = BrewRun.Of(plan.Brew with { Hours = plan.BrewHours }).Value;
        plan.Run.MinOxygen.ShouldBe(alone.MinOxygen, 1e-4);
        plan.Run.PeakUse.ShouldBe(alone.PeakUse, 1e-4);
        plan.Run.HoursBelow6.ShouldBe(alone.HoursBelow6, 1e-3);
        plan.Run.FungalShare.ShouldBe(alone.FungalShare, 1e-5);
        plan.Run.Series[^1].H.ShouldBeGreaterThan(plan.BrewHours); // the chart goes on
        plan.Effects.ShouldNotBeEmpty();
        foreach (var effect in plan.Effects)
        {
            var without =
                BrewRun.Of(plan.Brew with {
                    Hours = plan.BrewHours,
                    Foods = [.. plan.Brew.Foods!.Where(f => f.Kind != effect.Kind)]
                }).Value;
            effect.OxygenMgPerL.ShouldBe(alone.MinOxygen - without.MinOxygen, 0.02);
            effect.FungalShare.ShouldBe(alone.FungalShare - without.FungalShare, 0.005);
        }
    }

    [Fact]
    public void The_earliest_hour_that_a_late_plan_names_is_not_too_late_itself()
    {
        var late = Plan(Asked(150, 46, 18) with { UseAt = Now.AddHours(12) });
        late.Verdict.Sentence.ShouldStartWith("Too late");
        var then = Plan(Asked(150, 46, 18) with { UseAt = late.EarliestUseAt });
        then.Verdict.Sentence.ShouldNotStartWith("Too late");
    }
}
