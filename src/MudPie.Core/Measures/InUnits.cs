using System.Globalization;
using System.Text.RegularExpressions;

namespace MudPie.Core.Measures;

/// <summary>Sentences of Mud Pie's own that were written down while the holding spoke other units. What a grower typed is never put through
/// it.</summary>
public static partial class InUnits
{
    private static readonly Dictionary<string, (bool Us, Func<double, UnitSystem, string> Show)> Words = new() {
        ["L"] = (false, (x, u) => Units.Show(x, Dimension.Volume, u)),
        ["mL"] = (false, (x, u) => Units.Show(x / 1000, Dimension.Volume, u)),
        ["L/min"] = (false, (x, u) => Units.Show(x, Dimension.Flow, u)),
        ["°C"] = (false, (x, u) => Units.Show(x, Dimension.Temperature, u)),
        ["kPa"] = (false, (x, u) => Units.Show(x, Dimension.Pressure, u)),
        ["kg"] = (false, (x, u) => Units.Show(x * 1000, Dimension.Mass, u)),
        ["kg/ha"] = (false, (x, u) => Per.Large(x * 1000, Dimension.Mass, u)),
        ["m/s"] = (false, Per.Wind),
        ["mm"] = (false, Per.Depth),
        ["gal"] = (true, (x, u) => Units.Show(Read(x, "gal", Dimension.Volume), Dimension.Volume, u)),
        ["fl oz"] = (true, (x, u) => Units.Show(Read(x, "fl oz", Dimension.Volume), Dimension.Volume, u)),
        ["cfm"] = (true, (x, u) => Units.Show(Read(x, "cfm", Dimension.Flow), Dimension.Flow, u)),
        ["°F"] = (true, (x, u) => Units.Show(Read(x, "°F", Dimension.Temperature), Dimension.Temperature, u)),
        ["psi"] = (true, (x, u) => Units.Show(Read(x, "psi", Dimension.Pressure), Dimension.Pressure, u)),
        ["lb"] = (true, (x, u) => Units.Show(Read(x, "lb", Dimension.Mass), Dimension.Mass, u)),
        ["mph"] = (true, (x, u) => Per.Wind(x * Per.MphInMps, u)),
    };

    /// <summary>The sentence in the holding's units.</summary>
    /// <param name="sentence">As it was written.</param>
    /// <param name="units">What the holding speaks now.</param>
    /// <remarks>"180 L of water; 12 °C, wind 2 m/s" is "47.6 gal of water; 53.6 °F, wind 4.5 mph"; mg/L stays, and so do grams: they are
    /// the field's own words everywhere.</remarks>
    public static string Say(string sentence, UnitSystem units) => Figures().Replace(sentence, m =>
        Words.TryGetValue(m.Groups[2].Value, out var word) && word.Us != units.IsUs()
            && double.TryParse(m.Groups[1].Value.Replace(",", "", StringComparison.Ordinal), NumberStyles.Float,
                CultureInfo.InvariantCulture, out var figure)
            ? word.Show(figure, units)
            : m.Value);

    private static double Read(double figure, string unit, Dimension dimension) => Units.Of(dimension, UnitSystem.UsCustomary)
        .First(u => u.Shown == unit) is var u ? (figure * u.Factor) + u.Offset : figure;

    // The longer words first: "L/min" is not "L".
    [GeneratedRegex(@"(-?[0-9][0-9,]*(?:\.[0-9]+)?) (mg/L|mL/L|g/L|L/min|L/ha|kg/ha|gal/acre"
        + @"|m/s|mph|fl oz|gal|cfm|°C|°F|psi|kPa|lb|kg|mm|mL|L)\b",
        RegexOptions.NonBacktracking)]
    private static partial Regex Figures();
}
