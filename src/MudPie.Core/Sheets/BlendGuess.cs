using MudPie.Core.Mixing;
using MudPie.Core.Workings;

namespace MudPie.Core.Sheets;

/// <summary>A part of a blend, with its sheet where it has one.</summary>
/// <param name="Name">What it is.</param>
/// <param name="Litres">L in the blend.</param>
/// <param name="KgPerL">What a litre weighs, by the shelf or the usual; null where not known.</param>
/// <param name="Sheet">Its sheet; null where it has none.</param>
public sealed record BlendSource(string Name, double Litres, double? KgPerL, SheetRead? Sheet);

/// <summary>A nutrient of a blend: guessed from its parts, and tested later.</summary>
/// <param name="Of">What.</param>
/// <param name="Method">How it was got out.</param>
/// <param name="GuessMgPerL">mg in a litre of blend; null where a part's sheet lacks it.</param>
/// <param name="TestMgPerL">The same by the blend's own sheet; null where it has none.</param>
/// <param name="Lacks">Parts whose sheet lacks it.</param>
/// <param name="Low">Band, mg in a litre of blend; null without one.</param>
/// <param name="High">Band.</param>
/// <param name="Flag">What is to be minded of it; null for nothing.</param>
public sealed record BlendNutrient(Nutrient Of, Extraction Method, double? GuessMgPerL, double? TestMgPerL, IReadOnlyList<string> Lacks,
    double? Low, double? High, string? Flag);

/// <summary>A blend, guessed and tested.</summary>
/// <param name="KgPerL">Guessed weight of a litre, before fines fill the gaps; null where a part's is not known.</param>
/// <param name="TestKgPerL">By its own sheet; null where it has none.</param>
/// <param name="Ec">Guessed salts, dS/m of the extract; null where a part's are not known by the same extraction.</param>
/// <param name="TestEc">By its own sheet.</param>
/// <param name="Nutrients">Each that a sheet names.</param>
/// <param name="Without">Parts without a sheet that may hold something.</param>
/// <param name="HeldL">Water that a litre of it holds at saturation, L.</param>
/// <param name="Verdict">What to mind.</param>
public sealed record BlendGuessed(double? KgPerL, double? TestKgPerL, double? Ec, double? TestEc, IReadOnlyList<BlendNutrient> Nutrients,
    IReadOnlyList<string> Without, double HeldL, Verdict Verdict);

/// <summary>What a blend should hold by the sheets of its parts, laid beside what it was tested to hold.</summary>
public static class BlendGuess
{
    /// <summary>Salts of a saturated media extract above which seedlings suffer, and most plants, dS/m.</summary>
    public const double SeedlingEc = 2, MostEc = 4;

    /// <summary>Ammonium in the extract above which roots of seedlings may burn, mg/L.</summary>
    public const double MostAmmonium = 20;

    private static readonly string[] Inert = ["pumice", "perlite", "vermiculite", "sand"];

    /// <summary>Works it out.</summary>
    /// <param name="parts">Each part with its litres and sheet.</param>
    /// <param name="test">The blend's own sheet; null before it is tested.</param>
    /// <remarks>60 L of coir at 0.12 kg/L with 420 mg/kg K and 40 L of castings at 0.65 with 900: (60 × 0.12 × 420 + 40 × 0.65 × 900) ÷
    /// 100 = 264 mg a litre. Stones hold nothing; a part without a sheet leaves the guess open. Extractions are never mixed; pH is not
    /// guessed. Source: balance of mass.</remarks>
    public static Worked<BlendGuessed> Of(IReadOnlyList<BlendSource> parts, SheetRead? test)
    {
        var there = parts.Where(p => p.Litres > 0).ToList();
        var litres = Math.Max(there.Sum(p => p.Litres), 1e-9);
        double? Kg(BlendSource p) => p.Sheet?.Density ?? p.KgPerL;
        List<(Nutrient Of, Extraction Method)> known = [.. there.Select(p => p.Sheet).Append(test).OfType<SheetRead>()
            .SelectMany(s => s.Lines).Where(l => !l.Of.Property).Select(l => (l.Of, l.Method)).Distinct()];
        var nutrients = known.OrderBy(k => Index(k.Of)).ThenBy(k => k.Method).Select(k =>
        {
            SheetLine? Line(SheetRead? s) => s?.Lines.FirstOrDefault(l => l.Of == k.Of && l.Method == k.Method && !l.Above);
            List<string> lacks = [.. there.Where(p => !Stone(p) && (Line(p.Sheet)?.MgPerKg is null || Kg(p) is null)).Select(p => p.Name)];
            var guess = lacks.Count > 0 || there.Count == 0 ? (double?)null
                : there.Where(p => !Stone(p)).Sum(p => p.Litres * Kg(p)!.Value * Line(p.Sheet)!.MgPerKg!.Value) / litres;
            var tested = Line(test) is { MgPerKg: { } mg } ? mg * test!.Density : (double?)null;
            // A band of an extract is in mg a litre of it; a litre of blend holds as much as the water in it does.
            var band = SheetBands.For(k.Method, k.Of.Id, CropGroup.Vegetables);
            var times = k.Method is Extraction.SaturatedMedia ? Held(there, test, litres) : BlendDensity(there, Kg,
                litres) ?? test?.Density;
            return new BlendNutrient(k.Of, k.Method, guess, tested, lacks, band?.Low * times, band?.High * times,
                Flag(k.Of, k.Method, tested ?? guess, (band?.High * times, times)));
        }).ToList();
        var (ec, density) = (Salts(there.Where(p => !Stone(p)).ToList()), BlendDensity(there, Kg, litres));
        var testEc = test?.Property("EC");
        List<string> without = [.. there.Where(p => p.Sheet is null && !Stone(p)).Select(p => p.Name)];
        return Worked.Of(new BlendGuessed(density, test?.Density, ec, testEc, nutrients, without,
            Held(there, test, litres), Verdict(nutrients, testEc ?? ec, without,
            test is not null)), "mg/L", Evidence.ChemistryOrPhysics,
            [
                new("weight of a litre", "Σ litres × density ÷ Σ litres", $"{Say.Number(litres)} L", density is { } d
                    ? $"{Say.Number(d)} kg/L" : "a part’s is not known", "balance of mass, before fines fill the gaps"),
                .. nutrients.Select(n => new WorkingLine(n.Of.Name, "Σ litres × density × mg/kg ÷ Σ litres",
                    n.Lacks.Count > 0 ? $"no figure of {Say.List(n.Lacks)} by {n.Method.Word()}" : $"{Say.Number(litres)} L",
                    n.GuessMgPerL is { } g ? $"{Say.Number(g)} mg/L" : "not known", "extractions are never mixed; pH does not average")),
            ]);
    }

    /// <summary>Stones hold nothing, and no water to speak of.</summary>
    private static bool Stone(BlendSource p) => p.Sheet is null && Inert.Contains(Materials.For(null, p.Name)?.Id);

    private static int Index(Nutrient of) => Nutrients.All.ToList().IndexOf(of);

    private static double? BlendDensity(List<BlendSource> there, Func<BlendSource, double?> kg, double litres) =>
        there.Count > 0 && there.All(p => kg(p) is not null) ? there.Sum(p => p.Litres * kg(p)!.Value) / litres : null;

    private static double Held(List<BlendSource> there, SheetRead? test, double litres) => test?.HeldL
        ?? (there.Count == 0 ? 0.5 : Math.Max(0.05, there.Where(p => !Stone(p)).Sum(p => p.Litres * (p.Sheet?.HeldL ?? 0.5)) / litres));

    /// <summary>By the water that each holds, where every part has them by the same extraction.</summary>
    private static double? Salts(List<BlendSource> parts)
    {
        var lines = parts.Select(p => p.Sheet?.Lines.FirstOrDefault(l => l.Of.Id == "EC")).ToList();
        return lines.Count > 0 && lines.All(l => l?.Figure is not null) && lines.Select(l => l!.Method).Distinct().Count() == 1
            ? parts.Zip(lines, (p, l) => p.Litres * p.Sheet!.HeldL * l!.Figure!.Value).Sum() / parts.Sum(p => p.Litres * p.Sheet!.HeldL)
            : null;
    }

    private static string? Flag(Nutrient of, Extraction method, double? mgPerL, (double? High, double? Times) band) => of.Id switch {
        "K" when mgPerL > 1.5 * band.High => "much potassium: it holds magnesium and calcium back",
        "NH4-N" when method == Extraction.SaturatedMedia && mgPerL / band.Times > MostAmmonium =>
            "much ammonium: roots of seedlings may burn; let it stand a while",
        _ when mgPerL > band.High => "above its band",
        _ => null,
    };

    private static Verdict Verdict(List<BlendNutrient> nutrients, double? ec, List<string> without, bool tested)
    {
        var by = tested ? "by its test" : "by the guess";
        List<string> minds = [];
        if (ec > SeedlingEc)
        {
            minds.Add(ec > MostEc ? "salts too high for most plants" : "salts too high for seedlings");
        }

        minds.AddRange(nutrients.Where(n => n.Flag is not null && n.Of.Id is "K" or "NH4-N" && n.Flag is not null)
            .Select(n => n.Of.Id == "K" ? "much potassium" : "much ammonium").Distinct());
        return minds.Count > 0
            ? new(Tone.Mind, $"Mind {Say.List(minds)}, {by}.",
                "Take less of the part that brings it, or rinse; sow nothing in it before a test.")
            : nutrients.Count == 0
                ? new(Tone.Go, "No part of it has a sheet yet.", "Have the parts tested that bring most: compost, castings, by-products.")
            : without.Count > 0
                ? new(Tone.Go, $"{Say.List(without)} {(without.Count == 1 ? "has" : "have")} no sheet: the guess stays open.",
                    "What stands is what the others bring; a test of the blend itself goes first.")
            : new(Tone.Go, tested ? "Its test lies beside the guess." : "Nothing stands out, by the guess.", tested
                ? "Where they differ, the test is right: parts differ from lot to lot." : "A guess by volume and weight: test the blend.");
    }
}

/// <summary>Sheets side by side: how a figure moved against its band.</summary>
/// <param name="Of">What.</param>
/// <param name="Method">How it was got out.</param>
/// <param name="Figures">By sheet, as mg/kg or mg/L of extract; null where one lacks it.</param>
/// <param name="Shown">The same as they stand; "above" where it is off the lab's scale.</param>
/// <param name="Stands">By sheet: "short", "enough", "above" its band; null without a figure or a band.</param>
/// <param name="Moved">From the first to the last, of three from the second (the base) to the last: "from short to enough"; null where it
/// did not move, or can't be told.</param>
public sealed record BesideLine(Nutrient Of, Extraction Method, IReadOnlyList<double?> Figures, IReadOnlyList<string?> Shown,
    IReadOnlyList<string?> Stands, string? Moved);

/// <summary>Two or three sheets laid side by side.</summary>
public static class SheetsBeside
{
    /// <summary>Works it out.</summary>
    /// <param name="sheets">Two or more, in the order in which they are laid: the stuff, the base, the blend.</param>
    /// <param name="bands">Bands of one's own by nutrient, in the units of the sheet; the house's where there is none.</param>
    /// <remarks>Magnesium of an extract 12 mg/L in the base and 44 in the blend: from short to enough. A reading off the lab's scale is
    /// "above" and never its end; ammonium and nitrate stand apart.</remarks>
    public static Worked<IReadOnlyList<BesideLine>> Of(IReadOnlyList<SheetRead> sheets,
        IReadOnlyDictionary<string, (double Low, double High)>? bands = null)
    {
        List<(Nutrient Of, Extraction Method)> known = [.. sheets.SelectMany(s => s.Lines)
            .Select(l => (l.Of, Method: l.Of.Property && l.Of.Id != "EC" ? default : l.Method)).Distinct()
            .OrderBy(k => Nutrients.All.ToList().IndexOf(k.Of)).ThenBy(k => k.Method)];
        List<BesideLine> lines = [.. known.Select(k =>
        {
            var its = sheets.Select(s => s.Lines.FirstOrDefault(l => l.Of == k.Of
                && ((l.Of.Property && l.Of.Id != "EC") || l.Method == k.Method))).ToList();
            var band = bands?.TryGetValue(k.Of.Id, out var own) == true ? own : k.Of.Property ? null
                : SheetBands.For(k.Method, k.Of.Id, CropGroup.Vegetables) is { } b ? (b.Low!.Value, b.High!.Value)
                    : ((double, double)?)null;
            // Of an extract, mg a litre of it, as sheets and bands have it.
            double? Figure(SheetLine? l, SheetRead of) => l is null || l.Above ? null : k.Of.Property ? l.Figure
                : k.Method is Extraction.SaturatedMedia or Extraction.SaturatedPaste ? l.MgPerKg * of.Density / of.HeldL : l.MgPerKg;
            List<double?> figures = [.. its.Select((l, i) => Figure(l, sheets[i]))];
            List<string?> stands = [.. its.Select((l, i) => l is null || band is null ? null : l.Above || figures[i] > band.Value.Item2
                ? "above"
                : figures[i] < band.Value.Item1 ? "short" : "enough")];
            // Of three, the stuff stands first: what moved is the base by the blend.
            var (was, now) = (stands[sheets.Count > 2 ? 1 : 0], stands[^1]);
            return new BesideLine(k.Of, k.Method, figures, [.. its.Select((l, i) => l is null ? null : l.Above ? "above the scale"
                : $"{(l.Below ? "< " : "")}{Say.Number(figures[i]!.Value * (l.Below ? 2 : 1))}")], stands,
                was is not null && now is not null && was != now ? $"from {was} to {now}" : null);
        })];
        return Worked.Of<IReadOnlyList<BesideLine>>(lines, "", Evidence.ChemistryOrPhysics,
            [.. lines.Where(l => l.Moved is not null).Select(l => new WorkingLine(l.Of.Name, "against its band",
                string.Join(" → ", l.Shown.OfType<string>()), l.Moved!, "the bands of the house; local ones go first"))]);
    }
}
