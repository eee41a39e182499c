using MudPie.Core.Workings;

namespace MudPie.Core.Measures;

/// <summary>Amounts and money over ground, depths of water and winds, in the holding's own units.</summary>
public static class Per
{
    // NIST SP 811: a square foot is 0.09290304 m², an acre 4046.8564224 m², an inch 25.4 mm, a mile 1609.344 m, a US gallon 3.785411784 L,
    // a cubic foot 28.316846592 L.
    internal const double MphInMps = 0.44704;
    internal const double Ft2InM2 = 0.09290304, AcreInM2 = 4046.8564224, UsGallonL = 3.785411784, PoundKg = 0.45359237,
        UsFluidOunceMl = 29.5735295625, OunceG = 28.349523125;
    private const double ThousandFt2InM2 = 1000 * Ft2InM2, InchMm = 25.4, CfmInLpm = 28.316846592;

    /// <summary>"on 100 m²", or "on 1,000 sq ft".</summary>
    public static string SmallArea(UnitSystem units) => units.IsUs() ? "on 1,000 sq ft" : "on 100 m²";

    /// <summary>"a hectare", or "an acre".</summary>
    public static string LargeArea(UnitSystem units) => units.IsUs() ? "an acre" : "a hectare";

    /// <summary>A figure of 100 m² as one of the small area: the same, or × 0.929.</summary>
    /// <remarks>12.92 on 100 m² is 12.00 on 1,000 sq ft.</remarks>
    public static double Small(double per100M2, UnitSystem units) => units.IsUs() ? per100M2 * ThousandFt2InM2 / 100 : per100M2;

    /// <summary>A figure of a hectare as one of the large area: the same, or × 0.4047.</summary>
    public static double Large(double perHa, UnitSystem units) => units.IsUs() ? perHa * AcreInM2 / 10_000 : perHa;

    /// <summary>A figure of one of the large area as one of a hectare: 1 L an acre is 2.471 L a hectare.</summary>
    public static double LargeSi(double perLarge, UnitSystem units) => perLarge / Large(1, units);

    /// <summary>"a m²", or "a sq ft".</summary>
    public static string Square(UnitSystem units) => units.IsUs() ? "a sq ft" : "a m²";

    /// <summary>A figure of a square foot as one of a square metre; metric figures stay.</summary>
    /// <remarks>1 fl oz a sq ft is 10.76 fl oz a m².</remarks>
    public static double SquareSi(double perSquare, UnitSystem units) => units.IsUs() ? perSquare / Ft2InM2 : perSquare;

    /// <summary>"1 L a m²", "3.1 fl oz a sq ft".</summary>
    public static string Square(double perM2, Dimension dimension, UnitSystem units) =>
        $"{Units.Show(perM2 / SquareSi(1, units), dimension, units)} {Square(units)}";

    /// <summary>An area that spoons still measure, m²: one, or ten square feet.</summary>
    public static double SpoonedM2(UnitSystem units) => units.IsUs() ? 10 * Ft2InM2 : 1;

    /// <summary>"25.4 g a m²", "0.832 oz on 10 sq ft".</summary>
    /// <remarks>25.4 g a m² × 0.929 m² = 23.6 g, 0.832 oz on ten square feet.</remarks>
    public static string Spooned(double perM2, Dimension dimension, UnitSystem units) =>
        $"{Units.Show(perM2 * SpoonedM2(units), dimension, units)} {(units.IsUs() ? "on 10 sq ft" : Square(units))}";

    /// <summary>"10 L on 100 m²", "2.5 gal on 1,000 sq ft".</summary>
    public static string Small(double per100M2, Dimension dimension, UnitSystem units) =>
        $"{Units.Show(Small(per100M2, units), dimension, units)} {SmallArea(units)}";

    /// <summary>"300 L a hectare", "32 gal an acre".</summary>
    public static string Large(double perHa, Dimension dimension, UnitSystem units) =>
        $"{Units.Show(Large(perHa, units), dimension, units)} {LargeArea(units)}";

    /// <summary>Water on the ground: "10 mm", "0.39 in".</summary>
    public static string Depth(double mm, UnitSystem units) =>
        units.IsUs() ? $"{Say.Number(mm / InchMm, 2)} in" : $"{Say.Number(mm, 2)} mm";

    /// <summary>Wind: "6 m/s", "13 mph".</summary>
    public static string Wind(double metresPerSecond, UnitSystem units) => units.IsUs() ? $"{Say.Number(metresPerSecond / MphInMps, 2)} mph"
        : $"{Say.Number(metresPerSecond, 2)} m/s";

    /// <summary>Depth of ground: "7 cm", "2.8 in".</summary>
    public static string Centimetres(double cm, UnitSystem units) =>
        units.IsUs() ? $"{Say.Number(cm * 10 / InchMm, 2)} in" : $"{Say.Number(cm, 2)} cm";

    /// <summary>Air to a volume of brew: "0.25 L/min per litre", "0.033 cfm per gallon".</summary>
    public static string Air(double litresAMinutePerLitre, UnitSystem units) =>
        units.IsUs() ? $"{Say.Number(litresAMinutePerLitre * UsGallonL / CfmInLpm, 2)} cfm per gallon"
            : $"{Say.Number(litresAMinutePerLitre, 2)} L/min per litre";

    /// <summary>A liquid in a volume of water: "6 mL per litre", "0.77 fl oz per gallon".</summary>
    public static string Mixed(double mlPerLitre, UnitSystem units) => units.IsUs()
        ? $"{Say.Number(mlPerLitre * UsGallonL / UsFluidOunceMl, 2)} fl oz per gallon" : $"{Say.Number(mlPerLitre)} mL per litre";

    /// <summary>So much of a product: 1.79 mL is "1.79 mL", 2,115,142 g "2115 kg", and 30 mL in a US holding "1.01 fl oz".</summary>
    /// <param name="amount">In that unit.</param>
    /// <param name="unit">"mL" or "g".</param>
    /// <param name="units">The holding's units.</param>
    public static string Product(double amount, string unit, UnitSystem units) =>
        unit == "mL" ? Units.Show(amount / 1000, Dimension.Volume, units) : Units.Show(amount, Dimension.Mass, units);

    /// <summary>What an input is priced by: "litre" or "kilo", "gallon" or "pound".</summary>
    /// <param name="unit">"L" or "kg": what the input is kept in.</param>
    /// <param name="units">The holding's units.</param>
    public static string PricedBy(string unit, UnitSystem units) =>
        (unit, units.IsUs()) switch { ("L", false) => "litre", ("L", true) => "gallon", (_, false) => "kilo", _ => "pound" };

    /// <summary>A price of a litre or kilogram as one of what the holding prices by.</summary>
    /// <remarks>9.40 a litre is 35.58 a gallon.</remarks>
    public static double Price(double ofLitreOrKilo, string unit, UnitSystem units) => ofLitreOrKilo * PricedIn(unit, units);

    /// <summary>The other way: 35.58 a gallon is 9.40 a litre.</summary>
    public static double PriceSi(double typed, string unit, UnitSystem units) => typed / PricedIn(unit, units);

    /// <summary>How many of the holding's amounts on its large area one litre, or kilogram, on a hectare is.</summary>
    /// <remarks>1 L a hectare is 0.1069 gallons an acre.</remarks>
    public static double ProductOnLarge(string unit, UnitSystem units) => Large(1, units) / PricedIn(unit, units);

    /// <summary>"9.40 a litre", "35.58 a gallon".</summary>
    public static string PriceShown(double ofLitreOrKilo, string unit, UnitSystem units) =>
        $"{Say.Money(Price(ofLitreOrKilo, unit, units))} a {PricedBy(unit, units)}";

    private static double PricedIn(string unit, UnitSystem units) => !units.IsUs() ? 1 : unit == "L" ? UsGallonL : PoundKg;

    /// <summary>Bore of a hose: "13 mm", "0.51 in".</summary>
    public static string Millimetres(double mm, UnitSystem units) =>
        units.IsUs() ? $"{Say.Number(mm / InchMm, 2)} in" : $"{Say.Number(mm)} mm";
}
