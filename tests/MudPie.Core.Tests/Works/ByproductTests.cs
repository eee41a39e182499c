using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Core.Workings;
using MudPie.Core.Works;

namespace MudPie.Core.Tests.Works;

/// <summary>By-products run by run, pooled, tested, started small.</summary>
public sealed class ByproductTests
{
    private static readonly DateTimeOffset At = new(2026, 5, 1, 8, 0, 0, TimeSpan.Zero);

    private static readonly ByproductAsked Asked = new() { Name = "kitchen grinder", What = "dried kitchen waste" };

    private static readonly ByproductPlan Plan = Byproducts.Read(Asked, UnitSystem.Metric).Value;

    private static readonly HashSet<int> None = [];

    private static ByproductStands Stands(int days, IReadOnlySet<int>? tested, params WorkPoint[] points) =>
        Byproducts.Stands(Plan, points, tested ?? None, At.AddDays(days));

    private static Ruling<WorkStepDone> Do(WorkStepAsked r, ByproductStands s) => Byproducts.Do(r, Plan, s, Materials.All,
        UnitSystem.Metric, At);

    private static WorkPoint Run(int id, double kg) => new(WorkStep.Run, At) { Id = id, What = "kitchen scraps", Grams = kg * 1000 };

    [Fact]
    public void A_run_keeps_what_went_in_and_how()
    {
        var run = Do(new() {
            Step = WorkStep.Run, What = "kitchen scraps", Amount = "2.4 kg", Setting = "2", Hours = "9", Added = "0.5 L", Starter = "200 g"
        }, Stands(0, null)).Value.Point;
        (run.Grams, run.Setting, run.Hours, run.Litres, run.StarterG).ShouldBe((2400, "2", 9, 0.5, 200));
        WorkSays.Done(run).ShouldBe("2.4 kg of kitchen scraps, setting 2, 9 h, 0.5 L of water, 200 g of starter");
        Do(new() { Step = WorkStep.Run, What = "kitchen scraps", Amount = "2 L" }, Stands(0, null)).Value.Point.Grams
            .ShouldBe(1100); // 0.55 kg a litre
    }

    [Fact]
    public void Runs_are_pooled_with_the_share_of_each()
    {
        var s = Stands(0, null, Run(11, 2), Run(12, 3));
        s.Open.Count.ShouldBe(2);
        s.Verdict.Sentence.ShouldBe("2 runs lie by themselves: pool them, then test.");
        var done = Do(new() { Step = WorkStep.Pooled, Amount = "4 L" }, s).Value;
        done.Point.Runs.ShouldBe([11, 12]);
        done.Yields!.Notes.ShouldBe("run 1: 40 % and run 2: 60 %");
        (done.Yields.Kind, done.Yields.Litres).ShouldBe(("byproduct", 4));
        Do(new() { Step = WorkStep.Pooled, Amount = "1.8 kg", Runs = [12] }, s).Value.Point.Runs.ShouldBe([12]);
        Do(new() { Step = WorkStep.Pooled, Amount = "1.8 kg", Runs = [12] }, s).Value.Yields!.Litres.ShouldBe(4, 1e-9); // 0.45 kg/L
        Do(new() { Step = WorkStep.Pooled, Amount = "4 L", Runs = [11, 99] }, s).Refused!.Problems[0].Field.ShouldBe("runs");
    }

    [Fact]
    public void A_pool_is_tested_before_it_is_used()
    {
        var pool = new WorkPoint(WorkStep.Pooled, At) { Id = 20, Litres = 4, Runs = [11, 12] };
        var s = Stands(3, null, Run(11, 2), Run(12, 3), pool);
        s.Open.ShouldBeEmpty();
        s.Pools[0].Shares.ShouldBe([(1, 0.4), (2, 0.6)]);
        s.Verdict.Tone.ShouldBe(Tone.Mind);
        s.Due!.Rule.ShouldBe("test");
        Stands(1, null, Run(11, 2), pool).Due.ShouldBeNull();
        var tested = Stands(3, new HashSet<int> { 20 }, Run(11, 2), Run(12, 3), pool);
        tested.Due.ShouldBeNull();
        tested.Verdict.Sentence.ShouldContain("start small");
        Do(new() { Step = WorkStep.Pooled, Amount = "4 L" }, tested).Refused!.Problems[0].Field.ShouldBe("runs");
        var again = Stands(3, null, Run(11, 2), Run(12, 3), pool, Run(13, 1));
        again.Open.Single().Number.ShouldBe(3);
    }

    [Fact]
    public void What_is_typed_wrong_is_named()
    {
        var s = Stands(0, null);
        Do(new() { Step = WorkStep.Run }, s).Refused!.Problems.Select(p => p.Field).ShouldBe(["what", "amount"]);
        Do(new() { Step = WorkStep.Run, What = "grain", Amount = "2 L" }, s).Refused!.Problems[0].Field.ShouldBe("amount"); // how heavy?
        Do(new() { Step = WorkStep.Run, What = "scraps", Amount = "2 kg", Hours = "-1", Starter = "x" }, s).Refused!.Problems
            .Select(p => p.Field).ShouldBe(["hours", "starter"]);
        Do(new() { Step = WorkStep.Lit }, s).Refused!.Problems[0].Field.ShouldBe("step");
        Do(new(), s).Refused!.Problems[0].Field.ShouldBe("step");
        Do(new() { Step = WorkStep.Seen }, s).Refused!.Problems[0].Field.ShouldBe("note");
        Byproducts.Read(new() { Density = "9" }, UnitSystem.Metric).Refused!.Problems.Select(p => p.Field)
            .ShouldBe(["name", "what", "density"]);
    }
}
