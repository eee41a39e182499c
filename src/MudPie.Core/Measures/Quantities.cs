namespace MudPie.Core.Measures;

/// <summary>Guards shared by the measures: a measure neither takes nor makes not-a-number.</summary>
internal static class Guard
{
    public static double Finite(double value, string unit) =>
        double.IsFinite(value) ? value : throw new ArgumentOutOfRangeException(nameof(value), $"{value} {unit} is no measure.");

    public static double NotNegative(double value, string unit) =>
        Finite(value, unit) >= 0 ? value : throw new ArgumentOutOfRangeException(nameof(value), $"{value} {unit} is below nothing.");
}

/// <summary>A volume in litres, 0 or more. Not a flow: see <see cref="LitresPerMinute"/>.</summary>
public readonly record struct Litres
{
    /// <summary>Litres; refuses negatives and NaN by throwing, as these never come from a grower unparsed.</summary>
    public Litres(double value) => Value = Guard.NotNegative(value, "L");

    /// <summary>The figure in litres.</summary>
    public double Value { get; }

    /// <summary>The figure in millilitres: 0.015 L is 15 mL.</summary>
    public double Millilitres => Value * 1000;

    /// <summary>From millilitres.</summary>
    public static Litres FromMillilitres(double ml) => new(ml / 1000);
}

/// <summary>A concentration in milligrams per litre, 0 or more: dissolved oxygen, or chlorine as Cl₂.</summary>
public readonly record struct MilligramsPerLitre
{
    /// <summary>mg/L; throws below zero or for NaN.</summary>
    public MilligramsPerLitre(double value) => Value = Guard.NotNegative(value, "mg/L");

    /// <summary>The figure in mg/L.</summary>
    public double Value { get; }
}

/// <summary>An area in square metres, 0 or more.</summary>
public readonly record struct SquareMetres
{
    /// <summary>m²; throws below zero or for NaN.</summary>
    public SquareMetres(double value) => Value = Guard.NotNegative(value, "m²");

    /// <summary>The figure in m².</summary>
    public double Value { get; }
}

/// <summary>A length, depth or altitude in metres.</summary>
public readonly record struct Metres
{
    /// <summary>Metres; throws for NaN.</summary>
    public Metres(double value) => Value = Guard.Finite(value, "m");

    /// <summary>The figure in metres.</summary>
    public double Value { get; }
}

/// <summary>A flow of air or liquid in litres per minute, 0 or more.</summary>
public readonly record struct LitresPerMinute
{
    /// <summary>L/min; throws below zero or for NaN.</summary>
    public LitresPerMinute(double value) => Value = Guard.NotNegative(value, "L/min");

    /// <summary>The figure in L/min.</summary>
    public double Value { get; }
}

/// <summary>A pressure above the air's in kilopascals, 0 or more: 10 kPa is about 1 m of water.</summary>
public readonly record struct Kilopascals
{
    /// <summary>kPa; throws below zero or for NaN.</summary>
    public Kilopascals(double value) => Value = Guard.NotNegative(value, "kPa");

    /// <summary>The figure in kPa.</summary>
    public double Value { get; }
}

/// <summary>Dissolved solids of a sap in degrees Brix at the reference of 20 °C, −1 to 40. A raw reading is not yet this.</summary>
public readonly record struct Brix
{
    /// <summary>°Bx at 20 °C; throws outside −1 to 40 or for NaN.</summary>
    public Brix(double value) =>
        Value = Guard.Finite(value, "°Bx") is >= -1 and <= 40 ? value : throw new ArgumentOutOfRangeException(nameof(value));

    /// <summary>The figure in °Bx.</summary>
    public double Value { get; }
}
