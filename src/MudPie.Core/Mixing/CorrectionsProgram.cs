using Google.OrTools.LinearSolver;

namespace MudPie.Core.Mixing;

/// <summary>The linear program of corrections, on doubles. Everything has been looked at before it comes here.</summary>
internal static class CorrectionsProgram
{
    /// <summary>What may be lost of the first step's answer in the second: the solver's own slack, as shares of the low ends.</summary>
    private const double Loosened = 1e-9;

    /// <summary>kg/ha of every input. It always has an answer: nothing at all is one, and every input that could lessen a shortfall runs
    /// into a cap or into a top.</summary>
    /// <param name="q">The question, sound.</param>
    /// <param name="perMg">kg/ha that are 1 mg/kg.</param>
    public static double[] Solve(CorrectionsQuestion q, double perMg)
    {
        var inputs = q.Inputs ?? [];
        var kg = new double[inputs.Count];
        // What holds nothing that is wanted would only cost.
        int[] used = [.. Enumerable.Range(0, inputs.Count).Where(i => q.Targets!.Keys.Any(n => inputs[i].Gives(n) > 0))];
        if (used.Length == 0)
        {
            return kg;
        }

        using var solver = Solver.CreateSolver("GLOP") ?? throw new InvalidOperationException("The solver is not there.");
        Variable[] x = [.. used.Select(i => solver.MakeNumVar(0, inputs[i].CapKgPerHa ?? double.PositiveInfinity, $"x{i}"))];
        var shorts = new List<Variable>();
        foreach (var (nutrient, band) in q.Targets!)
        {
            // Every row is a share of the low end, so that copper and calcium weigh alike.
            var (low, have) = (band.Low!.Value, q.Test![nutrient]);
            var shortfall = solver.MakeNumVar(0, Math.Max(0, (low - have) / low), $"s{shorts.Count}");
            var enough = solver.MakeConstraint((low - have) / low, double.PositiveInfinity);
            enough.SetCoefficient(shortfall, 1);
            var top = solver.MakeConstraint(double.NegativeInfinity, (Math.Max(band.High!.Value, have) - have) / low);
            for (var j = 0; j < used.Length; j++)
            {
                enough.SetCoefficient(x[j], inputs[used[j]].Gives(nutrient) / perMg / low);
                top.SetCoefficient(x[j], inputs[used[j]].Holds(nutrient) / perMg / low);
            }

            shorts.Add(shortfall);
        }

        var least = Least(solver, [.. shorts.Select(s => (s, 1.0))]);
        var held = solver.MakeConstraint(double.NegativeInfinity, least + Loosened);
        shorts.ForEach(s => held.SetCoefficient(s, 1));
        (Variable, double)[] cost = [.. x.Select((v, j) => (v, inputs[used[j]].PricePerKg!.Value))];
        var cheapest = Least(solver, cost);
        if (cost.Any(c => c.Item2 == 0))
        {
            // Of what costs nothing, no more than is wanted.
            var dear = solver.MakeConstraint(double.NegativeInfinity, cheapest + (Loosened * Math.Max(1, cheapest)));
            Array.ForEach(cost, c => dear.SetCoefficient(c.Item1, c.Item2));
            Least(solver, [.. x.Select(v => (v, 1.0))]);
        }

        for (var j = 0; j < used.Length; j++)
        {
            kg[used[j]] = x[j].SolutionValue() is var v && v < 1e-7 ? 0 : Math.Min(v, inputs[used[j]].CapKgPerHa ?? v);
        }

        return kg;
    }

    private static double Least(Solver solver, (Variable Of, double Weight)[] sum)
    {
        var goal = solver.Objective();
        goal.Clear();
        Array.ForEach(sum, s => goal.SetCoefficient(s.Of, s.Weight));
        goal.SetMinimization();
        var ended = solver.Solve();
        return ended is Solver.ResultStatus.OPTIMAL ? goal.Value()
            : throw new InvalidOperationException($"The solver ended with {ended}, where an answer is always there.");
    }
}
