using System.Text.RegularExpressions;

using MudPie.Core.Workings;

namespace MudPie.Core.Sheets;

/// <summary>Units of sheets, and what they come to in mg/kg.</summary>
public static partial class SheetUnits
{
    /// <summary>kg/ha of one lb/ac.</summary>
    public const double PoundsAnAcre = 0.45359237 / 0.40468564224;

    private static readonly (string Name, string[] Words)[] Known =
    [
        ("meq/100 g", ["meq/100g", "meq/100 g", "cmol/kg", "cmol(+)/kg", "cmolc/kg", "cmol+/kg", "me/100g", "me/100 g", "me%"]),
        ("mg/kg", ["mg/kg", "ppm", "mg kg-1", "µg/g", "ug/g"]), ("kg/ha", ["kg/ha", "kg ha-1"]),
            ("lb/ac", ["lb/ac", "lbs/ac", "lb/acre", "lbs/acre",
            "lb/a", "lbs/a"]),
        ("mg/L", ["mg/l", "µg/ml", "mg l-1"]), ("g/kg", ["g/kg"]), ("%", ["%", "percent", "per cent"]),
        ("dS/m", ["ds/m", "ms/cm", "mmhos/cm", "mmho/cm"]),
    ];

    /// <summary>The unit that a text begins with, in its one spelling; null where it is none.</summary>
    /// <remarks>"ppm low": "mg/kg". "cmol(+)/kg": "meq/100 g". "stone": null.</remarks>
    public static string? First(string text)
    {
        var t = Spaces().Replace(text.Trim().ToLowerInvariant(), " ");
        return Known.SelectMany(k => k.Words.Select(w => (k.Name, Word: w))).Where(k => t.StartsWith(k.Word, StringComparison.Ordinal))
            .OrderByDescending(k => k.Word.Length).Select(k => k.Name).FirstOrDefault();
    }

    /// <summary>A figure in mg/kg, with how; null where it can't be.</summary>
    /// <param name="value">The figure.</param>
    /// <param name="unit">In its one spelling.</param>
    /// <param name="of">Of what.</param>
    /// <param name="kgPerHa">kg/ha that are 1 mg/kg: depth in m × density × 10.</param>
    /// <param name="density">kg a litre.</param>
    /// <remarks>0.3 meq/100 g of potassium × 39.098 × 10 = 117 mg/kg. 40 lb/ac at 15 cm and 1.3 kg/L: 44.8 kg/ha ÷ 1.95 = 23 mg/kg.
    /// Source: arithmetic.</remarks>
    public static (double MgPerKg, string How)? ToMgPerKg(double value, string unit, Nutrient of, double kgPerHa, double density) =>
        unit switch {
            "mg/kg" => (value, ""),
            "g/kg" => (value * 1000, "× 1,000"),
            "%" => (value * 10_000, "× 10,000"),
            "meq/100 g" when of.EqWeight is { } eq => (value * eq * 10, $"× {Say.Number(eq, 5)} × 10"),
            "kg/ha" => (value / kgPerHa, $"÷ {Say.Number(kgPerHa, 4)} (depth × density × 10)"),
            "lb/ac" => (value * PoundsAnAcre / kgPerHa, $"× {Say.Number(PoundsAnAcre, 4)} ÷ {Say.Number(kgPerHa, 4)}"),
            "mg/L" => (value / density, $"÷ {Say.Number(density)} kg/L"),
            _ => null,
        };

    [GeneratedRegex(@"\s+", RegexOptions.NonBacktracking)]
    private static partial Regex Spaces();
}
