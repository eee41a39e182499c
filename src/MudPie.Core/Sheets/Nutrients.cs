using System.Text.RegularExpressions;


namespace MudPie.Core.Sheets;

/// <summary>Something that stands on a lab's sheet.</summary>
/// <param name="Id">"P", "K", "NO3-N", "pH".</param>
/// <param name="Name">"phosphorus".</param>
/// <param name="EqWeight">g of a mole of charge; null where it is not exchanged.</param>
/// <param name="Property">True for pH, buffer pH, exchange, salts and organic matter: no nutrient.</param>
/// <param name="Words">How sheets write it, in small letters.</param>
public sealed record Nutrient(string Id, string Name, double? EqWeight, bool Property, params IReadOnlyList<string> Words);

/// <summary>What sheets hold, and how they write it.</summary>
public static partial class Nutrients
{
    /// <summary>All that is known.</summary>
    public static readonly IReadOnlyList<Nutrient> All =
    [
        new("N", "nitrogen", null, false, "n", "nitrogen", "total nitrogen", "total n"),
        new("NO3-N", "nitrate nitrogen", 14.007, false, "no3-n", "no3", "nitrate", "nitrate-n", "nitrate nitrogen", "nitrate n"),
        new("NH4-N", "ammonium nitrogen", 14.007, false, "nh4-n", "nh4", "ammonium", "ammonium-n", "ammonium nitrogen", "ammonium n"),
        new("P", "phosphorus", null, false, "p", "phosphorus", "phosphorous", "phosphate-p", "olsen p", "bray p1", "bray p", "mehlich p"),
        new("K", "potassium", 39.098, false, "k", "potassium", "potash"),
        new("Ca", "calcium", 20.039, false, "ca", "calcium"), new("Mg", "magnesium", 12.1525, false, "mg", "magnesium"),
        new("S", "sulphur", null, false, "s", "sulphur", "sulfur", "sulphate-s", "sulfate-s", "so4-s"),
        new("Na", "sodium", 22.99, false, "na", "sodium"), new("B", "boron", null, false, "b", "boron"),
        new("Cu", "copper", null, false, "cu", "copper"), new("Fe", "iron", null, false, "fe", "iron"),
        new("Mn", "manganese", null, false, "mn", "manganese"), new("Zn", "zinc", null, false, "zn", "zinc"),
        new("Mo", "molybdenum", null, false, "mo", "molybdenum"),
        new("pH", "pH", null, true, "ph", "soil ph", "ph water", "ph h2o"),
        new("buffer pH", "buffer pH", null, true, "buffer ph", "bufferph", "bph", "mehlich buffer ph", "ph buffer"),
        new("CEC", "exchange (CEC)", null, true, "cec", "cation exchange", "cation exchange capacity", "tec"),
        new("acidity", "exchangeable acidity", null, true, "acidity", "exchangeable acidity", "h", "hydrogen", "h+"),
        new("EC", "salts (EC)", null, true, "ec", "salts", "soluble salts", "conductivity"),
        new("OM", "organic matter", null, true, "om", "organic matter", "humus"),
    ];

    /// <summary>Oxides on labels and sheets: what they are of, and the element's share by weight.</summary>
    /// <remarks>Source: atomic weights. P₂O₅ is 43.64 % P; K₂O 83.01 % K.</remarks>
    public static readonly IReadOnlyDictionary<string, (string Id, double Share)> Oxides = new Dictionary<string, (string, double)> {
        ["p2o5"] = ("P", 0.43642), ["k2o"] = ("K", 0.83013), ["cao"] = ("Ca", 0.71469), ["mgo"] = ("Mg", 0.60304), ["so3"] = ("S", 0.40050),
        ["so4"] = ("S", 0.33380), ["na2o"] = ("Na", 0.74186),
    };

    /// <summary>The nutrient of that id; null for none.</summary>
    public static Nutrient? Find(string? id) => All.FirstOrDefault(n => n.Id.Equals(id, StringComparison.OrdinalIgnoreCase));

    /// <summary>The extraction that a line names; null where it names none.</summary>
    /// <remarks>"Phosphorus, Bray P1 22 ppm": Bray. "Zn (DTPA) 0.9": DTPA.</remarks>
    public static Extraction? MethodIn(string line)
    {
        var text = line.ToLowerInvariant();
        return Methods.Where(m => text.Contains(m.Word, StringComparison.Ordinal)).Select(m => (Extraction?)m.Is).FirstOrDefault();
    }

    private static readonly (string Word, Extraction Is)[] Methods =
    [
        ("mehlich", Extraction.Mehlich3), ("olsen", Extraction.Olsen), ("bicarb", Extraction.Olsen), ("bray", Extraction.Bray1),
        ("dtpa", Extraction.Dtpa), ("ammonium acetate", Extraction.AmmoniumAcetate), ("nh4oac", Extraction.AmmoniumAcetate),
        ("saturated media", Extraction.SaturatedMedia), ("saturated paste", Extraction.SaturatedPaste), ("hot water", Extraction.Water),
    ];

    /// <summary>What a sheet's word means, and the element's share where it is an oxide; null where it is not known.</summary>
    /// <remarks>"Phosphorus (P)": P, 1. "P₂O₅": P, 0.436. "Available K": K. "Sand": null.</remarks>
    public static (Nutrient Of, double Share)? Read(string words)
    {
        var text = words.ToLowerInvariant().Replace('₂', '2').Replace('₅', '5').Replace('₃', '3').Replace('₄', '4').Replace('⁺', '+');
        var inside = Bracketed().Match(text) is { Success: true } m ? m.Groups[1].Value.Trim() : null;
        text = Said().Replace(Bracketed().Replace(text, " "), " ");
        text = Spaces().Replace(text, " ").Trim(' ', ':', '=', '-', '.');
        foreach (var one in new[] { text, inside })
        {
            if (one is null)
            {
                continue;
            }

            if (Oxides.TryGetValue(one, out var oxide))
            {
                return (Find(oxide.Id)!, oxide.Share);
            }

            if (All.FirstOrDefault(n => n.Words.Contains(one)) is { } known)
            {
                return (known, 1);
            }
        }

        return null;
    }

    [GeneratedRegex(@"[\(\[]([^\)\]]*)[\)\]]", RegexOptions.NonBacktracking)]
    private static partial Regex Bracketed();

    [GeneratedRegex(@"\b(available|extractable|exchangeable|exch\.?|soluble|mehlich[- ]?(3|iii)|olsen|bray([- ]?(1|p1))?|dtpa|total)\b",
        RegexOptions.None, 1000)]
    private static partial Regex Said();

    [GeneratedRegex(@"\s+", RegexOptions.NonBacktracking)]
    private static partial Regex Spaces();
}
