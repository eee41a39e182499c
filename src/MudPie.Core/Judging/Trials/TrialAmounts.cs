using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;

namespace MudPie.Core.Judging.Trials;

/// <summary>What a treatment takes.</summary>
/// <param name="AreaM2">Of all its plots.</param>
/// <param name="PerPlot">Product on a plot, mL or g; null where no rate was given.</param>
/// <param name="InAll">Product in all with the spare, mL or g; null where no rate was given.</param>
/// <param name="WaterPerPlotL">Mixed litres on a plot; null where no water carries it.</param>
/// <param name="MixL">Mixed litres in all with the spare; null where no water carries it.</param>
/// <param name="Loads">Cans of it; null where no water carries it.</param>
public sealed record TrialAmountsAnswer(double AreaM2, double? PerPlot, double? InAll, double? WaterPerPlotL, double? MixL, int? Loads);

/// <summary>What it takes to put a treatment on its plots.</summary>
public static class TrialAmounts
{
    /// <summary>Over the plots' own needs, for what stays in the can.</summary>
    public const double Spare = 0.1;

    /// <summary>The largest can that plots are watered by hand with, L.</summary>
    public const double LargestCanL = 15;

    /// <summary>The same tank plan as for any other job, with its plots as one bed.</summary>
    /// <param name="ratePerM2">mL or g on a m², more than 0; null where there is none.</param>
    /// <param name="waterLPerM2">Water on a m², L, more than 0; null where none carries it.</param>
    /// <param name="plots">Area of each plot; at least one.</param>
    /// <remarks>Three plots of 2 m² at 5 mL and 1 L on a m²: 10 mL and 2 L a plot; 33 mL and 6.6 L in all, a tenth to spare.</remarks>
    public static TrialAmountsAnswer Of(double? ratePerM2, double? waterLPerM2, IReadOnlyList<SquareMetres> plots)
    {
        var area = plots.Sum(p => p.Value);
        var tank = waterLPerM2 is > 0 and { } water
            ? TankPlan.Of(new TankPlanQuestion {
                AreaM2 = Math.Max(area, 0.1),
                RateLPerHa = water * 10_000,
                TankL = Math.Clamp(water * area * (1 + Spare), 0.5, LargestCanL),
                OneIn = 1,
                SpareShare = Spare,
            }) is { Refused: null } plan ? plan.Value : null : null;
        return new(area, ratePerM2 * area / plots.Count, ratePerM2 * area * (1 + Spare),
            tank is null ? null : waterLPerM2 * area / plots.Count, tank?.TotalL, tank?.Loads.Count);
    }
}
