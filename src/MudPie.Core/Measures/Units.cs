using System.Globalization;

namespace MudPie.Core.Measures;

/// <summary>Which units a holding answers in. What is typed may be in either.</summary>
public enum UnitSystem
{
    /// <summary>Litres, grams, metres, °C; a cup is 250 mL, a tablespoon 15 mL, a teaspoon 5 mL.</summary>
    Metric,

    /// <summary>US gallons, ounces, feet, °F; a cup is 236.588 mL, a tablespoon 14.787 mL, a teaspoon 4.929 mL.</summary>
    UsCustomary,

    /// <summary>As <see cref="Metric"/>, and a gallon, quart, pint or fluid ounce that is typed is the US one. The grower was asked
    /// once.</summary>
    MetricUsGallons,

    /// <summary>As <see cref="Metric"/>, and a gallon, quart, pint or fluid ounce that is typed is the imperial one. The grower was asked
    /// once.</summary>
    MetricImperialGallons,
}

/// <summary>Questions that are asked of a unit system.</summary>
public static class UnitSystems
{
    /// <summary>True where answers are in US customary units.</summary>
    public static bool IsUs(this UnitSystem system) => system == UnitSystem.UsCustomary;
}

/// <summary>What kind of thing is being measured.</summary>
public enum Dimension
{
    /// <summary>Litres.</summary>
    Volume,

    /// <summary>Grams.</summary>
    Mass,

    /// <summary>Square metres.</summary>
    Area,

    /// <summary>Metres.</summary>
    Length,

    /// <summary>Degrees Celsius.</summary>
    Temperature,

    /// <summary>A span of degrees Celsius, as a daily swing.</summary>
    TemperatureSpan,

    /// <summary>Litres per minute.</summary>
    Flow,

    /// <summary>Kilopascals.</summary>
    Pressure,

    /// <summary>Milligrams per litre.</summary>
    Concentration,

    /// <summary>Litres on a hectare.</summary>
    AreaRate,

    /// <summary>A bare number, such as a pH or a brix reading.</summary>
    Plain,
}

/// <summary>One unit as people write it: SI = figure × Factor + Offset.</summary>
internal sealed record Unit(string Shown, double Factor, double Offset, params string[] Names);

/// <summary>The units that amount fields understand, and how answers are shown.</summary>
public static class Units
{
    // NIST Handbook 44 and SP 811: the US gallon is 3.785411784 L, the acre 4046.8564224 m², the psi 6.894757 kPa.
    private const double UsGallon = 3.785411784, ImperialGallon = 4.54609; // the imperial gallon: Weights and Measures Act 1985

    private static readonly Unit[] AlwaysVolume =
    [
        new("L", 1, 0, "l", "litre", "litres", "liter", "liters", "ltr"),
        new("mL", 0.001, 0, "ml", "millilitre", "millilitres", "milliliter", "milliliters", "cc", "cm3"),
        new("m³", 1000, 0, "m3", "m³", "cubic metre", "cubic metres"),
        new("US gal", UsGallon, 0, "us gal", "us gals", "us gallon", "us gallons"),
        new("US qt", UsGallon / 4, 0, "us qt", "us quart", "us quarts"),
        new("US pt", UsGallon / 8, 0, "us pt", "us pint", "us pints"),
        new("US fl oz", UsGallon / 128, 0, "us fl oz", "us floz", "us fluid ounce", "us fluid ounces"),
        new("imp gal", ImperialGallon, 0, "imp gal", "imp gals", "imperial gallon", "imperial gallons", "uk gal", "uk gallon",
            "uk gallons"),
        new("imp qt", ImperialGallon / 4, 0, "imp qt", "imperial quart", "imperial quarts", "uk quart", "uk quarts"),
        new("imp pt", ImperialGallon / 8, 0, "imp pt", "imperial pint", "imperial pints", "uk pint", "uk pints"),
        new("imp fl oz", ImperialGallon / 160, 0, "imp fl oz", "imperial fluid ounce", "imperial fluid ounces", "uk fl oz"),
        new("jug", 1, 0, "jug", "jugs"),
        new("bucket", 10, 0, "bucket", "buckets"),
    ];

    /// <summary>Gallons, quarts, pints and fluid ounces with no word of whose: the US ones where that is settled, the imperial ones where
    /// that is; else they are asked about.</summary>
    private static Unit[] Gallons(UnitSystem system)
    {
        var (gallon, ounces, whose) = system == UnitSystem.MetricImperialGallons
            ? (ImperialGallon, 160, "imp ") : (UsGallon, 128, system == UnitSystem.UsCustomary ? "" : "US ");
        return
        [
            new(whose + "gal", gallon, 0, "gal", "gals", "gallon", "gallons"),
            new(whose + "qt", gallon / 4, 0, "qt", "qts", "quart", "quarts"),
            new(whose + "pt", gallon / 8, 0, "pt", "pint", "pints"),
            new(whose + "fl oz", gallon / ounces, 0, "fl oz", "floz", "fluid ounce", "fluid ounces"),
        ];
    }

    /// <summary>The two readings of a gallon, quart, pint or fluid ounce in a holding that was not asked yet; null where there is only
    /// one.</summary>
    internal static (Unit Us, Unit Imperial)? TwoGallons(string name, UnitSystem system)
    {
        var at = system == UnitSystem.Metric ? Array.FindIndex(Gallons(system), u => u.Names.Contains(name)) : -1;
        return at < 0 ? null : (Gallons(UnitSystem.MetricUsGallons)[at], Gallons(UnitSystem.MetricImperialGallons)[at]);
    }

    private static Unit[] Spoons(UnitSystem system) => !system.IsUs()
        ?
        [
            new("cup", 0.25, 0, "cup", "cups", "c"),
            new("tbsp", 0.015, 0, "tbsp", "tbsps", "tablespoon", "tablespoons", "tbs"),
            new("tsp", 0.005, 0, "tsp", "tsps", "teaspoon", "teaspoons"),
        ]
        :
        [
            new("cup", UsGallon / 16, 0, "cup", "cups", "c"),
            new("tbsp", UsGallon / 256, 0, "tbsp", "tbsps", "tablespoon", "tablespoons", "tbs"),
            new("tsp", UsGallon / 768, 0, "tsp", "tsps", "teaspoon", "teaspoons"),
        ];

    private static readonly Dictionary<Dimension, Unit[]> Others = new() {
        [Dimension.Mass] =
        [
            new("g", 1, 0, "g", "gram", "grams", "gm"),
            new("kg", 1000, 0, "kg", "kilo", "kilos", "kilogram", "kilograms"),
            new("t", 1_000_000, 0, "t", "tonne", "tonnes"),
            new("mg", 0.001, 0, "mg", "milligram", "milligrams"),
            new("oz", 28.349523125, 0, "oz", "ounce", "ounces"),
            new("lb", 453.59237, 0, "lb", "lbs", "pound", "pounds"),
        ],
        [Dimension.Area] =
        [
            new("m²", 1, 0, "m2", "m²", "sq m", "sqm", "square metre", "square metres", "square meter", "square meters"),
            new("ha", 10_000, 0, "ha", "hectare", "hectares"),
            new("sq ft", 0.09290304, 0, "sq ft", "sqft", "ft2", "ft²", "square foot", "square feet"),
            new("acre", 4046.8564224, 0, "acre", "acres", "ac"),
        ],
        [Dimension.Length] =
        [
            new("m", 1, 0, "m", "metre", "metres", "meter", "meters"),
            new("cm", 0.01, 0, "cm", "centimetre", "centimetres", "centimeter", "centimeters"),
            new("mm", 0.001, 0, "mm", "millimetre", "millimetres"),
            new("ft", 0.3048, 0, "ft", "foot", "feet", "'"),
            new("in", 0.0254, 0, "in", "inch", "inches", "\""),
        ],
        [Dimension.Temperature] =
        [
            new("°C", 1, 0, "°c", "c", "deg c", "celsius", "degrees", "deg", "°"),
            new("°F", 5.0 / 9, -160.0 / 9, "°f", "f", "deg f", "fahrenheit"),
        ],
        [Dimension.TemperatureSpan] =
        [
            new("°C", 1, 0, "°c", "c", "deg c", "celsius", "degrees", "deg", "°", "k"),
            new("°F", 5.0 / 9, 0, "°f", "f", "deg f", "fahrenheit"),
        ],
        [Dimension.Flow] =
        [
            new("L/min", 1, 0, "l/min", "lpm", "litres per minute", "liters per minute", "l per min"),
            new("L/h", 1.0 / 60, 0, "l/h", "lph", "litres per hour"),
            new("cfm", 28.316846592, 0, "cfm", "cubic feet per minute"),
            new("gpm", UsGallon, 0, "gpm", "gal/min"),
        ],
        [Dimension.Pressure] =
        [
            new("kPa", 1, 0, "kpa"),
            new("mbar", 0.1, 0, "mbar", "millibar", "hpa"),
            new("bar", 100, 0, "bar"),
            new("MPa", 1000, 0, "mpa"),
            new("psi", 6.894757293, 0, "psi"),
            new("m water", 9.80665, 0, "m water", "mh2o", "m of water"),
        ],
        [Dimension.Concentration] =
        [
            new("mg/L", 1, 0, "mg/l", "ppm", "mg per l", "mg per litre"),
        ],
        [Dimension.AreaRate] =
        [
            new("L/ha", 1, 0, "l/ha", "l per ha", "l a hectare", "l per hectare", "litres a hectare"),
            new("L/m²", 10_000, 0, "l/m2", "l/m²", "mm"),
            new("L/100 m²", 100, 0, "l/100 m2", "l/100 m²", "l/100m2", "l per 100 m2"),
            new("US gal/acre", UsGallon / 0.40468564224, 0, "us gal/acre", "us gal/ac", "us gal per acre"),
        ],
        [Dimension.Plain] = [new("", 1, 0)],
    };

    internal static IReadOnlyList<Unit> Of(Dimension dimension, UnitSystem system) =>
        dimension == Dimension.Volume ? [.. AlwaysVolume, .. Gallons(system), .. Spoons(system)]
        : dimension == Dimension.AreaRate && system.IsUs()
        ? [.. Others[dimension], new("gal/acre", UsGallon / 0.40468564224, 0, "gal/acre", "gal/ac", "gpa", "gal per acre", "gal an acre")]
        : Others[dimension];

    /// <summary>The unit that a bare number is read in: litres or gallons, °C or °F, and so on.</summary>
    internal static Unit Default(Dimension dimension, UnitSystem system)
    {
        var name = (dimension, system) switch {
            (Dimension.Volume, UnitSystem.UsCustomary) => "gal",
            (Dimension.Mass, UnitSystem.UsCustomary) => "oz",
            (Dimension.Area, UnitSystem.UsCustomary) => "sq ft",
            (Dimension.Length, UnitSystem.UsCustomary) => "ft",
            (Dimension.Temperature or Dimension.TemperatureSpan, UnitSystem.UsCustomary) => "°F",
            (Dimension.Flow, UnitSystem.UsCustomary) => "cfm",
            (Dimension.Pressure, UnitSystem.UsCustomary) => "psi",
            (Dimension.AreaRate, UnitSystem.UsCustomary) => "gal/acre",
            _ => Of(dimension, system)[0].Shown,
        };
        return Of(dimension, system).First(u => u.Shown == name);
    }

    /// <summary>An SI figure as it would be typed, to six figures and in the unit of a bare number.</summary>
    /// <remarks>180 m is "180 m" or "590.5510 ft".</remarks>
    public static string Typed(double si, Dimension dimension, UnitSystem system)
    {
        var unit = Default(dimension, system);
        return $"{TypedNumber.Write((si - unit.Offset) / unit.Factor)} {unit.Shown}".TrimEnd();
    }

    /// <summary>An SI figure in the holding's units: 0.015 L is "15 mL" or "0.5 fl oz"; 20 °C is "20 °C" or "68 °F".</summary>
    public static string Show(double si, Dimension dimension, UnitSystem system)
    {
        var unit = (dimension, system) switch {
            (Dimension.Volume, not UnitSystem.UsCustomary) => Math.Abs(si) < 0.9995 && si != 0 ? "mL" : "L",
            (Dimension.Volume, UnitSystem.UsCustomary) => Math.Abs(si) < UsGallon / 4 && si != 0 ? "fl oz" : "gal",
            (Dimension.Mass, not UnitSystem.UsCustomary) => Math.Abs(si) >= 1000 ? "kg" : Math.Abs(si) < 1 && si != 0 ? "mg" : "g",
            (Dimension.Mass, UnitSystem.UsCustomary) => Math.Abs(si) >= 453.592 ? "lb" : "oz",
            (Dimension.Area, not UnitSystem.UsCustomary) => si >= 10_000 ? "ha" : "m²",
            (Dimension.Area, UnitSystem.UsCustomary) => si >= 4046 ? "acre" : "sq ft",
            _ => Default(dimension, system).Shown,
        };
        var u = Of(dimension, system).First(x => x.Shown == unit);
        var figure = (si - u.Offset) / u.Factor;
        if (Math.Abs(figure) < 1e-9)
        {
            figure = 0; // never −0
        }

        var text = dimension is Dimension.Temperature or Dimension.TemperatureSpan
            ? Math.Round(figure, 1).ToString("0.#", CultureInfo.InvariantCulture)
            : Workings.Say.Number(figure);
        return text + (u.Shown.Length > 0 ? " " + u.Shown : "");
    }
}
