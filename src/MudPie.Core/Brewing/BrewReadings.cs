using MudPie.Core.Measures;

namespace MudPie.Core.Brewing;

/// <summary>What a reading of a brew may be, by whatever door it comes: the log, Note it, a logger's file or a question.</summary>
public static class BrewReadings
{
    /// <summary>Dissolved oxygen, mg/L: water holds 15 at freezing, and less when warmer.</summary>
    public static readonly (double Low, double High) Oxygen = (0, 20);

    /// <summary>Warmth of a brew, °C: below it freezes, and above it cooks.</summary>
    public static readonly (double Low, double High) Warmth = (0, 45);

    /// <summary>A strip for chlorine, mg/L as Cl₂.</summary>
    public static readonly (double Low, double High) Strip = (0, ChlorineStrip.Highest);

    /// <summary>What a figure of that kind may be, and its unit. Warmth: 0 to 45 °C.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is no kind that is read in figures.</exception>
    public static ((double Low, double High) Limits, string Unit) Of(LogKind kind) => kind switch {
        LogKind.Oxygen => (Oxygen, "mg/L"),
        LogKind.Warmth => (Warmth, "°C"),
        LogKind.Strip => (Strip, "mg/L"),
        _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "not read in figures"),
    };

    /// <summary>Hours that a live brew is looked ahead: two past its use and three past now, 8 to 96.</summary>
    /// <remarks>To be used at 24 h, now at 5: 26 h.</remarks>
    public static double Horizon(double useAtH, double nowH) => Math.Clamp(Math.Max(useAtH + 2, nowH + 3), 8, 96);
}
