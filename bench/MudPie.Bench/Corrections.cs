using MudPie.Core.Mixing;

namespace MudPie.Bench;

/// <summary>The linear program of corrections, as large as it is wanted fast.</summary>
internal static class Corrections
{
    private static readonly CorrectionsQuestion Question = Make();

    /// <summary>60 inputs and 20 nutrients; gives the cost, so that nothing is left out.</summary>
    public static double Large() => SoilCorrections.Of(Question).Value.CostPerHa;

    private static CorrectionsQuestion Make()
    {
        var r = new Random(5);
        string[] nutrients = [.. Enumerable.Range(0, 20).Select(i => $"n{i}")];
        return new() {
            DepthCm = 15,
            BulkDensityKgPerL = 1.3,
            Test = nutrients.ToDictionary(n => n, _ => r.NextDouble() * 100),
            Targets = nutrients.ToDictionary(n => n, _ => new TargetBand { Low = 50, High = 200 }),
            Inputs = [.. Enumerable.Range(0, 60).Select(i => new CorrectionInput {
                Name = $"input {i}", PricePerKg = 0.05 + r.NextDouble(), CapKgPerHa = r.Next(2) == 0 ? null : 3000,
                Content = nutrients.Where(_ => r.Next(4) == 0).ToDictionary(n => n, _ => r.NextDouble() * 0.1),
            })],
        };
    }
}
