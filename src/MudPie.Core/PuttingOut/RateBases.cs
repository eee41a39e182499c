using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>Rates by what they are on.</summary>
public static class RateBases
{
    /// <summary>A basis in words, after a rate: "2 L a hectare".</summary>
    public static string Says(this RateBasis basis) => basis switch {
        RateBasis.PerHa => "a hectare",
        RateBasis.Per100M2 => "on 100 m²",
        RateBasis.PerLitre => "a litre",
        RateBasis.PerPlant => "a plant",
        RateBasis.PerKgSeed => "a kilo of seed",
        RateBasis.PerM3Mix => "a cubic metre of mix",
        _ => "one part in so many",
    };

    /// <summary>A basis by its word, with how much of it the word means: an acre, 1,000 sq ft and a gallon are a hectare, 100 m² and a
    /// litre told otherwise. Null for any other word.</summary>
    /// <param name="word">A <see cref="RateBasis"/> by its word, or "perAcre", "per1000ft2" or "perGallon".</param>
    /// <remarks>"perAcre" is 0.4047 of a hectare, "perGallon" 3.785 of a litre.</remarks>
    public static (RateBasis Basis, double Of)? Read(string? word) => word switch {
        "perAcre" => (RateBasis.PerHa, Measures.Per.Large(1, UnitSystem.UsCustomary)),
        "per1000ft2" => (RateBasis.Per100M2, Measures.Per.Small(1, UnitSystem.UsCustomary)),
        "perGallon" => (RateBasis.PerLitre, Measures.Per.UsGallonL),
        _ => Words.Read<RateBasis>(word) is { } basis ? (basis, 1) : null,
    };

    /// <summary>A basis as a holding with such units tells it: its word, how much of the basis that is, and after a rate.</summary>
    /// <remarks>A hectare is told as an acre, 0.4047 of it, where units are US customary.</remarks>
    public static (string Word, double Of, string Says) Told(this RateBasis basis, UnitSystem units) => (units.IsUs(), basis) switch {
        (true, RateBasis.PerHa) => ("perAcre", Read("perAcre")!.Value.Of, "an acre"),
        (true, RateBasis.Per100M2) => ("per1000ft2", Read("per1000ft2")!.Value.Of, "on 1,000 sq ft"),
        (true, RateBasis.PerLitre) => ("perGallon", Read("perGallon")!.Value.Of, "a gallon"),
        _ => (basis.Word(), 1, basis.Says()),
    };

    /// <summary>As <see cref="Typed(RateBasis, string)"/>, by the basis's word; the amount alone where the word says nothing.</summary>
    /// <remarks>"1 qt" and "perAcre" are "1 qt per acre".</remarks>
    public static string Typed(string? word, string amount) => word switch {
        "perAcre" => $"{amount} per acre",
        "per1000ft2" => $"{amount} per 1000 sq ft",
        "perGallon" => $"{amount} per US gallon",
        _ => Words.Read<RateBasis>(word)?.Typed(amount) ?? amount,
    };

    /// <summary>A bare amount with the basis that was chosen beside it, as a label would say it: "2 L" on a hectare is "2 L per
    /// ha".</summary>
    public static string Typed(this RateBasis basis, string amount) => basis switch {
        RateBasis.OneIn => $"1:{amount}",
        RateBasis.PerHa => $"{amount} per ha",
        RateBasis.Per100M2 => $"{amount} per 100 m²",
        RateBasis.PerLitre => $"{amount} per litre",
        RateBasis.PerPlant => $"{amount} per plant",
        RateBasis.PerKgSeed => $"{amount} per kg of seed",
        _ => $"{amount} per m³ of mix",
    };

    /// <summary>What a rate comes to on ground, mL or g.</summary>
    /// <param name="basis">What the rate is on.</param>
    /// <param name="rate">mL or g on the basis; one part in so many of the mix for that.</param>
    /// <param name="areaM2">The ground, m².</param>
    /// <param name="mixL">Mix that goes on it, L.</param>
    /// <param name="plants">Plants on it; null where they were not counted.</param>
    /// <returns>Null where ground does not tell: of seed and of potting mix, and of plants that were not counted.</returns>
    /// <remarks>2,000 mL a hectare on 72 m² are 14.4 mL; one part in 301 of 30 L of mix 99.7 mL.</remarks>
    public static double? On(this RateBasis basis, double rate, double areaM2, double mixL, double? plants = null) => basis switch {
        RateBasis.PerHa => rate * areaM2 / 10_000,
        RateBasis.Per100M2 => rate * areaM2 / 100,
        RateBasis.PerLitre => rate * mixL,
        RateBasis.OneIn => mixL / rate * 1000,
        RateBasis.PerPlant when plants is { } count => rate * count,
        _ => null,
    };

    /// <summary>A rate on what a dose is asked for, mL or g; null where it speaks in other terms.</summary>
    /// <param name="basis">What the rate is on.</param>
    /// <param name="rate">mL or g on the basis; one part in so many for that.</param>
    /// <param name="per">"ha", "m2", "litre", "plant" or "kgSeed".</param>
    /// <remarks>20 mL on 100 m² are 2,000 mL on a hectare and 0.2 on a square metre.</remarks>
    public static double? Per(this RateBasis basis, double rate, string? per) => (per, basis) switch {
        ("ha", RateBasis.PerHa) or ("litre", RateBasis.PerLitre) or ("plant", RateBasis.PerPlant)
            or ("kgSeed", RateBasis.PerKgSeed) => rate,
        ("ha", RateBasis.Per100M2) => rate * 100,
        ("m2", RateBasis.PerHa) => rate / 10_000,
        ("m2", RateBasis.Per100M2) => rate / 100,
        ("litre", RateBasis.OneIn) => 1000 / rate,
        _ => null,
    };

    /// <summary>Where a tank takes another rate than the label's, what it changes; null where it keeps to it within half a hundredth, or
    /// the label does not speak of ground.</summary>
    /// <param name="label">The label's rate.</param>
    /// <param name="name">The product.</param>
    /// <param name="amount">What goes in, mL or g with the spare.</param>
    /// <param name="job">The tank.</param>
    /// <param name="units">How amounts are said.</param>
    public static string? Differs(this LabelRate label, string name, ProductAmount amount, TankJobAnswer job, UnitSystem units)
    {
        var (area, mix) = (job.Beds.Sum(b => b.AreaM2), job.Beds.Sum(b => b.MixL));
        var per = amount.Amount / job.MixL * mix; // on the ground, without the spare
        string Show(double x) => amount.Unit == "mL" ? Units.Show(x / 1000, Dimension.Volume, units) : Units.Show(x, Dimension.Mass, units);
        var ends = new[] { label.Low, label.High }.Select(rate => label.Basis.On(rate, area, mix)).Order().ToList(); // one in many is least
        if (ends is not [{ } low, { } high] || (per >= low * 0.995 && per <= high * 1.005))
        {
            return null;
        }

        return $"{name}: the label ({label.Shown}) gives {Show(low)}{(high > low * 1.001 ? $" to {Show(high)}" : "")} on these beds; this "
            + $"tank gives {Show(per)}, {Say.Number(per / ((low + high) / 2), 2)} times as much. Where the product is registered its label "
            + "is law.";
    }
}
