using MudPie.Core.Brewing;

namespace MudPie.Core.Tests.Brewing;

/// <summary>A brew whose oxygen is gone is solved by another method, to the same figures and in steps of the same number.</summary>
public class StiffSolverTests
{
    private static BrewQuestion Brew(double molassesMl, double airLpm) => new() {
        VolumeL = molassesMl > 1000 ? 180 : 17,
        TemperatureC = 22,
        AltitudeM = 6,
        Hours = 72,
        Diffuser = "airStone",
        DepthM = 0.5,
        AirLpm = airLpm,
        Sources = [new SourceAmount { Kind = "compost", Litres = 0.8 }],
        Foods = [new FoodAmount { Kind = "molasses", Ml = molassesMl }],
    };

    private static (int Steps, BrewTrace Trace) Run(BrewQuestion brew, double tolerance)
    {
        var trace = new BrewTrace();
        brew.MakeReady().Setup!.Solve(Multipliers.Table, 72, tolerance, trace);
        return (trace.Steps, trace);
    }

    [Theory]
    [InlineData(5000, 4)] // litres of molasses: a slip of the pen, and it has to be answered
    [InlineData(500, 4)]
    [InlineData(200, 0.5)]
    public void Oxygen_that_is_all_but_gone_costs_no_more_than_three_ordinary_runs(double molassesMl, double airLpm)
    {
        var (ordinary, _) = Run(Brew(20, 6), 1e-6);
        var (scarce, trace) = Run(Brew(molassesMl, airLpm), 1e-6);
        trace.Least((_, y) => y.O, 72).Value.ShouldBeLessThan(0.5);
        (scarce * 16).ShouldBeLessThan(3 * 7 * ordinary); // looks at the equations: up to 16 a step of the one, 7 of the other
    }

    [Theory]
    [InlineData(5000, 4)]
    [InlineData(200, 0.5)]
    public void It_comes_to_what_a_hundred_times_finer_solution_comes_to(double molassesMl, double airLpm)
    {
        var (_, coarse) = Run(Brew(molassesMl, airLpm), 1e-6);
        var (_, fine) = Run(Brew(molassesMl, airLpm), 1e-9);
        foreach (var h in new[] { 6.0, 13.7, 24, 36.2, 50, 71.9 })
        {
            var (a, b) = (coarse.At(h), fine.At(h));
            a.O.ShouldBe(b.O, 2e-4);
            (a.B / b.B).ShouldBe(1, 2e-4);
            (a.F / b.F).ShouldBe(1, 2e-4);
        }
    }

    [Fact]
    public void The_two_methods_agree_where_either_could_be_used()
    {
        var setup = Brew(20, 6).MakeReady().Setup!;
        var other = new BrewTrace();
        var equations = setup.Solve(Multipliers.Table, 30, 1e-9, other);
        var own = new BrewTrace();
        var (y, t) = StiffSolver.Solve(equations, new BrewState(other.At(10).Cod, 0.9), 10, 12, setup.KLa20, 1e-9, own);
        var plain = new BrewTrace();
        var end = BrewSolver.Solve(equations, new BrewState(other.At(10).Cod, 0.9), 10, t, setup.KLa20, 1e-9, plain);
        (y.O - end.O).ShouldBe(0, 1e-6);
        (y.B - end.B).ShouldBe(0, 1e-5 * end.B);
        own.At((10 + t) / 2).O.ShouldBe(plain.At((10 + t) / 2).O, 1e-4); // between its steps too
    }

    [Fact]
    public void A_tenth_of_the_tolerance_gives_a_fraction_of_the_error()
    {
        var (_, truth) = Run(Brew(5000, 4), 1e-10);
        double Off(double tolerance) => Math.Abs(Run(Brew(5000, 4), tolerance).Trace.At(72).B - truth.At(72).B) / truth.At(72).B;
        Off(1e-7).ShouldBeLessThan(Math.Max(Off(1e-4), 1e-5));
        Off(1e-7).ShouldBeLessThan(1e-5);
    }
}
