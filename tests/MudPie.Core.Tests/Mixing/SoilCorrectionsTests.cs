using FsCheck.Xunit;
using MudPie.Core.Mixing;

namespace MudPie.Core.Tests.Mixing;

/// <summary>The linear program of corrections: that it is the best there is, and what it says where nothing is.</summary>
public sealed class SoilCorrectionsTests
{
    private static CorrectionInput In(string name, double? price, double? cap, params (string N, double Holds, double Gives)[] of) =>
        new() {
        Name = name, PricePerKg = price, CapKgPerHa = cap,
        Content = of.ToDictionary(o => o.N, o => o.Holds), Release = of.ToDictionary(o => o.N, o => o.Gives),
    };

    private static CorrectionsQuestion Asks(Dictionary<string, (double Test, double Low, double High)> of,
        params CorrectionInput[] inputs) =>
        new() {
            DepthCm = 15, BulkDensityKgPerL = 1.3, Inputs = inputs,
            Test = of.ToDictionary(o => o.Key, o => o.Value.Test),
            Targets = of.ToDictionary(o => o.Key, o => new TargetBand { Low = o.Value.Low, High = o.Value.High }),
        };

    /// <summary>Every corner of two inputs: where two of the lines cross (nought, cap, low ends, tops). The best of a convex sum whose
    /// kinks lie on those lines is at one of them.</summary>
    private static (double Short, double Cost) Brute(CorrectionsQuestion q)
    {
        const double PerMg = 1.95;
        var (a, b) = (q.Inputs![0], q.Inputs[1]);
        var lines = new List<(double A, double B, double C)> { (1, 0, 0), (0, 1, 0), (1, 0, a.CapKgPerHa!.Value),
            (0, 1, b.CapKgPerHa!.Value) };
        foreach (var (n, t) in q.Targets!)
        {
            lines.Add((a.Gives(n), b.Gives(n), (t.Low!.Value - q.Test![n]) * PerMg));
            lines.Add((a.Holds(n), b.Holds(n), (Math.Max(t.High!.Value, q.Test[n]) - q.Test[n]) * PerMg));
        }

        (double Short, double Cost)? At(double x, double y)
        {
            if (x < -1e-9 || y < -1e-9 || x > a.CapKgPerHa + 1e-9 || y > b.CapKgPerHa + 1e-9
                || q.Targets!.Any(t => q.Test![t.Key] + (((a.Holds(t.Key) * x) + (b.Holds(t.Key) * y)) / PerMg)
                    > Math.Max(t.Value.High!.Value, q.Test[t.Key]) + 1e-7))
            {
                return null;
            }

            return (q.Targets!.Sum(t => Math.Max(0, (t.Value.Low!.Value - q.Test![t.Key]
                - (((a.Gives(t.Key) * x) + (b.Gives(t.Key) * y)) / PerMg)) / t.Value.Low.Value)), (x * a.PricePerKg!.Value)
                    + (y * b.PricePerKg!.Value));
        }

        var corners = (from l in lines from m in lines let d = (l.A * m.B) - (l.B * m.A) where Math.Abs(d) > 1e-12
            select At(((l.C * m.B) - (l.B * m.C)) / d, ((l.A * m.C) - (l.C * m.A)) / d)).Where(c => c is not null).Select(c => c!.Value)
                .ToList();
        var least = corners.Min(c => c.Short);
        return (least, corners.Where(c => c.Short <= least + 1e-8).Min(c => c.Cost));
    }

    [Property(MaxTest = 300)]
    public void It_is_the_best_of_all_corners(int seed)
    {
        var r = new Random(seed);
        (string, double, double)[] Of() => [.. new[] { "p", "k", "mg" }.Where(_ => r.Next(4) > 0)
            .Select(n => (n, 0.01 + (r.NextDouble() * 0.3), r.Next(3) == 0 ? 1 : 0.2 + (r.NextDouble() * 0.8)))];
        var q = Asks(new[] { "p", "k", "mg" }.ToDictionary(n => n, _ => (Test: r.NextDouble() * 100, Low: 20 + (r.NextDouble() * 60),
            High: 90 + (r.NextDouble() * 60))),
            In("a", 0.1 + r.NextDouble(), 50 + (r.NextDouble() * 2000), Of()), In("b", 0.1 + r.NextDouble(), 50 + (r.NextDouble() * 2000),
                Of()));
        var (answer, best) = (SoilCorrections.Of(q).Value, Brute(q));
        var got = answer.Unmet.Sum(u => u.Value / q.Targets![u.Key].Low!.Value);
        got.ShouldBe(best.Short, 1e-6);
        answer.CostPerHa.ShouldBe(best.Cost, Math.Max(1e-2, best.Cost * 1e-5));
        answer.Why.Keys.ShouldBe(answer.Unmet.Keys);
        foreach (var (n, t) in q.Targets!)
        {
            answer.AfterAll[n].ShouldBeLessThanOrEqualTo(Math.Max(t.High!.Value, q.Test![n]) + 1e-4);
            answer.After[n].ShouldBeLessThanOrEqualTo(answer.AfterAll[n] + 1e-9);
        }
    }

    [Fact]
    public void Enough_already_wants_nothing_and_costs_nothing()
    {
        var a = SoilCorrections.Of(Asks(new() { ["k"] = (150, 120, 220) }, In("potash", 1, 300, ("k", 0.4, 1)))).Value;
        a.KgPerHa["potash"].ShouldBe(0);
        a.CostPerHa.ShouldBe(0);
        a.Unmet.ShouldBeEmpty();
    }

    [Fact]
    public void Where_it_is_above_already_nothing_goes_further_above()
    {
        var a = SoilCorrections.Of(Asks(new() { ["k"] = (60, 120, 220), ["p"] = (90, 25, 60) },
            In("compost", 0.04, null, ("k", 0.006, 1), ("p", 0.003, 1)), In("potash", 1, 1000, ("k", 0.4, 1)))).Value;
        a.KgPerHa["compost"].ShouldBe(0);
        a.AfterAll["p"].ShouldBe(90);
        a.After["k"].ShouldBe(120, 1e-5);
    }

    [Fact]
    public void Why_not_more_is_said_of_each_that_stays_short()
    {
        SoilCorrections.Of(Asks(new() { ["b"] = (0.1, 0.5, 2) }, In("potash", 1, 300, ("k", 0.4, 1)))).Value.Why["b"]
            .ShouldBe("No input that was offered gives any of it in the first year.");
        SoilCorrections.Of(Asks(new() { ["k"] = (10, 120, 220) }, In("potash", 1, 100, ("k", 0.4, 1)))).Value.Why["k"]
            .ShouldBe("Potash is at the most that is usual a hectare.");
        SoilCorrections.Of(Asks(new() { ["k"] = (10, 120, 220), ["s"] = (10, 10, 12) }, In("potash", 1, null, ("k", 0.4, 1),
            ("s", 0.17, 1)))).Value
            .Why["k"].ShouldBe("More would take s above the top of its band.");
        SoilCorrections.Of(Asks(new() { ["p"] = (10, 25, 30) }, In("rock", 1, null, ("p", 0.12, 0.1)))).Value
            .Why["p"].ShouldBe("More would take its own whole content above the top of its band later.");
        SoilCorrections.Of(Asks(new() { ["p"] = (10, 25, 30) })).Value.Unmet["p"].ShouldBe(15);
    }

    [Fact]
    public void What_is_not_capped_is_held_by_its_own_top_and_what_is_free_is_not_heaped_up()
    {
        var a = SoilCorrections.Of(Asks(new() { ["k"] = (60, 120, 220) }, In("ash", 0, null, ("k", 0.05, 1)))).Value;
        a.KgPerHa["ash"].ShouldBe(60 * 1.95 / 0.05, 1e-2);
        a.CostPerHa.ShouldBe(0);
    }

    [Theory]
    [InlineData("inputs[0].pricePerKg")]
    [InlineData("targets.k.low")]
    [InlineData("targets.k.high")]
    [InlineData("test.k")]
    [InlineData("depthCm")]
    [InlineData("bulkDensityKgPerL")]
    [InlineData("inputs[0].content")]
    [InlineData("inputs[0].release.k")]
    [InlineData("inputs[0].name")]
    [InlineData("targets")]
    public void Nonsense_is_refused_at_its_field(string field)
    {
        var q = Asks(new() { ["k"] = (60, 120, 220) }, In("potash", 1, 300, ("k", 0.4, 1)));
        Dictionary<string, TargetBand> Band(double low, double high) => new() { ["k"] = new() { Low = low, High = high } };
        var bad = field switch {
            "inputs[0].pricePerKg" => q with { Inputs = [In("potash", null, 300, ("k", 0.4, 1))] },
            "targets.k.low" => q with { Targets = Band(0, 100) },
            "targets.k.high" => q with { Targets = Band(100, 50) },
            "test.k" => q with { Test = new Dictionary<string, double>() },
            "depthCm" => q with { DepthCm = -5 },
            "bulkDensityKgPerL" => q with { BulkDensityKgPerL = double.PositiveInfinity },
            "inputs[0].content" => q with { Inputs = [In("both", 1, 300, ("k", 0.6, 1), ("p", 0.6, 1))] },
            "inputs[0].release.k" => q with { Inputs = [In("potash", 1, 300, ("k", 0.4, 1.5))] },
            "inputs[0].name" => q with { Inputs = [In("", 1, 300, ("k", 0.4, 1))] },
            _ => q with { Targets = null },
        };
        SoilCorrections.Of(bad).Refused!.Problems.Select(p => p.Field).ShouldContain(field);
    }

    [Fact]
    public void Sixty_inputs_and_twenty_nutrients_have_an_answer_within_their_bands()
    {
        var r = new Random(5);
        string[] nutrients = [.. Enumerable.Range(0, 20).Select(i => $"n{i}")];
        var q = Asks(nutrients.ToDictionary(n => n, _ => (r.NextDouble() * 100, 50.0, 200.0)), [.. Enumerable.Range(0, 60).Select(i =>
            In($"input {i}", 0.05 + r.NextDouble(), r.Next(2) == 0 ? null : 3000,
                [.. nutrients.Where(_ => r.Next(4) == 0).Select(n => (n, r.NextDouble() * 0.1, r.NextDouble()))]))]);
        var a = SoilCorrections.Of(q).Value;
        a.KgPerHa.Values.ShouldAllBe(kg => kg >= 0 && double.IsFinite(kg));
        a.AfterAll.Values.ShouldAllBe(v => v <= 200 + 1e-4);
        SoilCorrections.Of(q).Value.KgPerHa.ShouldBe(a.KgPerHa); // and the same again
    }
}
