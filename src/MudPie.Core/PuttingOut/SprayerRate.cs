using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>A sprayer's output: a boom by nozzle, speed and spacing; a knapsack by a measured square; a can by seconds.</summary>
public sealed record SprayerQuestion
{
    /// <summary>Units that sentences speak in; the sum itself is done in SI.</summary>
    [System.Text.Json.Serialization.JsonIgnore]
    public UnitSystem Units { get; init; }

    /// <summary>One nozzle, 0.05 to 20 L/min.</summary>
    public double? NozzleLPerMin { get; init; }

    /// <summary>Speed, 0.5 to 20 km/h.</summary>
    public double? SpeedKmPerH { get; init; }

    /// <summary>Between nozzles, or the width of a single swath, 0.1 to 10 m.</summary>
    public double? SpacingM { get; init; }

    /// <summary>Litres that refilled the knapsack after a measured square, 0.02 to 50; takes the place of the three above.</summary>
    public double? UsedL { get; init; }

    /// <summary>The square, 1 to 10,000 m²; 25 when not given.</summary>
    public double? SquareM2 { get; init; }
}

/// <summary>What it puts on a hectare, and on 100 m².</summary>
public sealed record SprayerAnswer(double LPerHa, double LPer100M2, string Sentence);

/// <summary>Calibrating a sprayer.</summary>
public static class SprayerRate
{
    /// <summary>L/ha = 600 × L/min ÷ (km/h × spacing), or litres used ÷ square × 10,000.</summary>
    /// <remarks>0.8 L/min at 6 km/h and 0.5 m: 160 L/ha. 0.75 L on 25 m²: 300 L/ha.</remarks>
    public static Ruling<SprayerAnswer> Of(SprayerQuestion q)
    {
        var checks = new Checks();
        if (q.UsedL is not null)
        {
            var used = checks.Range("usedL", q.UsedL, 0.02, 50, "L");
            var square = checks.Range("squareM2", q.SquareM2 ?? 25, 1, 10_000, "m²");
            return checks.Sound
                ? Answer(q.Units, used / square * 10_000, Evidence.MeasuredHere, new("by a square", "litres used ÷ square × 10,000",
                    $"{Say.Number(used)} L ÷ {Say.Number(square)} m²", $"{Say.Number(used / square * 10_000)} L/ha", "your own measuring"))
                : checks.Refusal;
        }

        var nozzle = checks.Range("nozzleLPerMin", q.NozzleLPerMin, 0.05, 20, "L/min", "Catch one nozzle for a minute.");
        var speed = checks.Range("speedKmPerH", q.SpeedKmPerH, 0.5, 20, "km/h", "Walking is 4 to 5.");
        var spacing = checks.Range("spacingM", q.SpacingM, 0.1, 10, "m");
        var rate = 600 * nozzle / (speed * spacing);
        return checks.Sound
            ? Answer(q.Units, rate, Evidence.ChemistryOrPhysics,
                new("by a nozzle", "600 × L/min ÷ (km/h × spacing)",
                    $"600 × {Say.Number(nozzle)} ÷ ({Say.Number(speed)} × {Say.Number(spacing)})", $"{Say.Number(rate)} L/ha",
                    "1 L/min over 1 m at 1 km/h is 600 L/ha"))
            : checks.Refusal;
    }

    private static Worked<SprayerAnswer> Answer(UnitSystem units, double rate, Evidence sure, WorkingLine line) =>
        Worked.Of(new SprayerAnswer(rate, rate / 100,
            $"It puts {Per.Large(rate, Dimension.Volume, units)}, {Per.Small(rate / 100, Dimension.Volume, units)}."), "L/ha", sure, [line],
            [Cautions.Spraying]);
}
