using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>How much of a product goes on a piece of ground: what Season, tank, square metre, shopping list and book all ask.</summary>
public sealed record DoseQuestion
{
    /// <summary>A kind of biostimulant, for the table's rate; null where the table has none.</summary>
    public Biostimulant? Kind { get; init; }

    /// <summary>"leaf" or "root".</summary>
    public required Purpose Purpose { get; init; }

    /// <summary>m².</summary>
    public double AreaM2 { get; init; }

    /// <summary>Mixed litres on a hectare that it goes out in.</summary>
    public double MixLPerHa { get; init; } = 500;

    /// <summary>The label's own rate; null where there is none.</summary>
    public LabelRate? Label { get; init; }

    /// <summary>The grower's own rate, one part in so many of mix; null where none was set.</summary>
    public double? OwnOneIn { get; init; }

    /// <summary>Plants on it, for a rate by the plant.</summary>
    public double? Plants { get; init; }
}

/// <summary>The one dose.</summary>
/// <param name="ProductL">Of the product, L (kg for what is weighed).</param>
/// <param name="OneIn">One part in so many of the mix.</param>
/// <param name="Whose">"the label", "your own rate" or "the table".</param>
/// <param name="Formula">How it was worked out.</param>
/// <param name="TankRate">The rate as a tank takes it: mL or g on its basis, or one in so many.</param>
/// <param name="TankBasis">What that is on.</param>
/// <param name="Unit">"mL" or "g".</param>
public sealed record Dose(double ProductL, double OneIn, string Whose, string Formula, double TankRate, RateBasis TankBasis, string Unit)
{
    /// <summary>The rate as the tank's field takes it in metric units: "2000 mL", "1 in 316".</summary>
    public string TankText => Tank(UnitSystem.Metric).Rate;

    /// <summary>The rate as the tank's fields take it, with the word of what it is on.</summary>
    /// <remarks>2,000 mL a hectare are "2000 mL" and "perHa", or "27.3681 fl oz" and "perAcre"; one in 316 is "1 in 316".</remarks>
    public (string Rate, string Basis) Tank(UnitSystem units)
    {
        if (TankBasis == RateBasis.OneIn)
        {
            return ($"1 in {TypedNumber.Write(TankRate)}", TankBasis.Word());
        }

        var on = TankBasis.Told(units);
        var (unit, size) = (units.IsUs(), Unit) switch {
            (true, "mL") => ("fl oz", Per.UsFluidOunceMl),
            (true, _) => ("oz", Per.OunceG),
            _ => (Unit, 1.0)
        };
        return ($"{TypedNumber.Write(TankRate * on.Of / size)} {unit}", on.Word);
    }
}

/// <summary>One dose, by one order of authority: the label's own rate, the grower's, the table's.</summary>
public static class Doses
{
    /// <summary>Works it out.</summary>
    /// <remarks>Seaweed on 2 ha at 500 L/ha: by a label of 5 L/ha 10 L; by the grower's 1 in 250, 4 L; by the table's middle, 2 L/ha, 4 L.
    /// In all three the tank is told the same.</remarks>
    public static Dose Of(DoseQuestion q)
    {
        var mix = q.MixLPerHa * q.AreaM2 / 10_000;
        if (q.Label is { } label && On(label, q, mix) is { } byLabel)
        {
            return byLabel;
        }

        if (q.OwnOneIn is { } own)
        {
            return new Dose(mix / own, own, "your own rate", $"mix ÷ {Say.Number(own)}", own, RateBasis.OneIn, "mL");
        }

        var perHa = q.Kind is null ? 0 : (q.Kind.LPerHa.From + q.Kind.LPerHa.To) / 2;
        var product = perHa * q.AreaM2 / 10_000;
        return new Dose(product, product > 0 ? Math.Max(mix / product, 1) : 1, "the table", $"{Say.Number(perHa)} L/ha × area",
            perHa * 1000, RateBasis.PerHa, "mL");
    }

    /// <summary>A label's rate on this ground, the middle of its range; null where its basis does not fit ground at all (seed, potting
    /// mix), or plants are not known.</summary>
    private static Dose? On(LabelRate label, DoseQuestion q, double mix)
    {
        var middle = (label.Low + label.High) / 2;
        return label.Basis.On(middle, q.AreaM2, mix, q.Plants) is { } ml
            ? new Dose(ml / 1000, ml > 0 ? Math.Max(mix / (ml / 1000), 1) : 1, "the label", $"label: {label.Shown}", middle,
                label.Basis, label.Unit)
            : null;
    }
}
