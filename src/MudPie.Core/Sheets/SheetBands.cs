using MudPie.Core.Mixing;


namespace MudPie.Core.Sheets;

/// <summary>What is enough, by the way it was got out and by what grows. A start: a lab's own bands, and local trials, go first.</summary>
public static class SheetBands
{
    /// <summary>Shares of the exchange that the ratio school holds to.</summary>
    public static readonly IReadOnlyDictionary<string, (double Low, double High)> Ratios = new Dictionary<string, (double, double)> {
        ["Ca"] = (0.60, 0.75), ["Mg"] = (0.10, 0.20), ["K"] = (0.02, 0.05),
    };

    private static readonly Dictionary<(Extraction, string), (double Low, double High)[]> Enough = new() {
        // grain and hay · vegetables · fruit, mg/kg
        [(Extraction.Mehlich3, "P")] = [(30, 50), (50, 100), (30, 60)],
        [(Extraction.Mehlich3, "K")] = [(110, 180), (150, 280), (120, 220)],
        [(Extraction.Mehlich3, "Ca")] = [(600, 2500)],
        [(Extraction.Mehlich3, "Mg")] = [(70, 250)],
        [(Extraction.Mehlich3, "S")] = [(12, 40)],
        [(Extraction.Mehlich3, "B")] = [(0.5, 1.5), (0.7, 2), (0.6, 1.8)],
        [(Extraction.Mehlich3, "Cu")] = [(0.8, 8)],
        [(Extraction.Mehlich3, "Fe")] = [(50, 300)],
        [(Extraction.Mehlich3, "Mn")] = [(20, 150)],
        [(Extraction.Mehlich3, "Zn")] = [(1.8, 12)],
        [(Extraction.AmmoniumAcetate, "K")] = [(120, 200), (160, 300), (130, 240)],
        [(Extraction.AmmoniumAcetate, "Ca")] = [(700, 3000)],
        [(Extraction.AmmoniumAcetate, "Mg")] = [(80, 300)],
        [(Extraction.Olsen, "P")] = [(15, 25), (25, 45), (15, 35)],
        [(Extraction.Bray1, "P")] = [(20, 35), (35, 70), (20, 45)],
        [(Extraction.Dtpa, "Fe")] = [(4.5, 50)],
        [(Extraction.Dtpa, "Mn")] = [(2, 40)],
        [(Extraction.Dtpa, "Zn")] = [(0.8, 8)],
        [(Extraction.Dtpa, "Cu")] = [(0.3, 5)],
        [(Extraction.Water, "B")] = [(0.5, 1.5), (0.7, 2), (0.6, 1.8)],
        [(Extraction.Water, "S")] = [(10, 30)],
        // mg a litre of extract
        [(Extraction.SaturatedMedia, "NO3-N")] = [(40, 150)],
        [(Extraction.SaturatedMedia, "P")] = [(3, 15)],
        [(Extraction.SaturatedMedia, "K")] = [(60, 200)],
        [(Extraction.SaturatedMedia, "Ca")] = [(80, 250)],
        [(Extraction.SaturatedMedia, "Mg")] = [(30, 100)],
        [(Extraction.SaturatedMedia, "S")] = [(20, 150)],
        [(Extraction.SaturatedMedia, "B")] = [(0.05, 0.5)],
        [(Extraction.SaturatedMedia, "Fe")] = [(0.3, 3)],
        [(Extraction.SaturatedMedia, "Mn")] = [(0.02, 3)],
        [(Extraction.SaturatedMedia, "Zn")] = [(0.3, 3)],
        [(Extraction.SaturatedMedia, "Cu")] = [(0.02, 0.5)],
    };

    /// <summary>The house's band; null where it has none.</summary>
    /// <param name="method">How it was got out.</param>
    /// <param name="nutrient">Its id.</param>
    /// <param name="crop">What grows there.</param>
    /// <remarks>Olsen P for vegetables: 25 to 45 mg/kg. Source: ranges that advisory tables share; they differ by half from place to
    /// place, so local ones go first.</remarks>
    public static TargetBand? For(Extraction method, string nutrient, CropGroup crop) =>
        Enough.TryGetValue((method, nutrient), out var by) && by[Math.Min((int)crop, by.Length - 1)] is var (low, high)
            ? new TargetBand { Low = low, High = high } : null;

    /// <summary>The band of the ratio school, mg/kg; null where it says nothing of that nutrient.</summary>
    /// <param name="nutrient">Its id.</param>
    /// <param name="cec">Exchange, meq/100 g.</param>
    /// <remarks>Potassium at 12 meq/100 g: 2 to 5 % of it, 0.24 to 0.6 meq/100 g, 94 to 235 mg/kg.</remarks>
    public static TargetBand? Ratio(string nutrient, double cec) => Ratios.TryGetValue(nutrient, out var share)
        && Nutrients.Find(nutrient)!.EqWeight is { } eq
            ? new TargetBand { Low = share.Low * cec * eq * 10, High = share.High * cec * eq * 10 } : null;
}
