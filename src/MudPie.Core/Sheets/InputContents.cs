using System.Text.RegularExpressions;
using MudPie.Core.Measures;

using MudPie.Core.Workings;

namespace MudPie.Core.Sheets;

/// <summary>What an input usually holds.</summary>
/// <param name="Words">Words of a name by which it is known.</param>
/// <param name="Holds">Share of each nutrient by weight, as an element.</param>
/// <param name="FirstYear">Share of that in the first year; 1 where it is not named.</param>
/// <param name="MostKgPerHa">The most that is usual a hectare in a year.</param>
/// <param name="KgPerL">As it lies.</param>
public sealed record UsualInput(IReadOnlyList<string> Words, IReadOnlyDictionary<string, double> Holds,
    IReadOnlyDictionary<string, double> FirstYear, double MostKgPerHa, double KgPerL);

/// <summary>What inputs hold: the label first, then what is usual.</summary>
public static partial class InputContents
{
    /// <summary>The usual ones. A bag's own label goes first.</summary>
    /// <remarks>Source: usual labels; caps are what is usually put on in a year, and local rules may want less.</remarks>
    public static readonly IReadOnlyList<UsualInput> All =
    [
        Of("gypsum", "Ca 22, S 17", "", 3000, 1.0), Of("dolomite,dolomitic", "Ca 21, Mg 12", "Ca 50, Mg 50", 4000, 1.3),
        Of("shell,lime,calcite,chalk", "Ca 36", "Ca 60", 5000, 1.2), Of("feather", "N 13, S 1.5", "N 70", 1500, 0.5),
        Of("potassium sulphate,sulphate of potash,potassium sulfate", "K 41.5, S 17", "", 400, 1.3),
        Of("rock phosphate", "P 12, Ca 30", "P 10, Ca 30", 1000, 1.4), Of("bone", "N 3, P 10, Ca 22", "P 30", 1500, 0.8),
        Of("kieserite", "Mg 16, S 21", "", 500, 1.2), Of("epsom,magnesium sulphate,magnesium sulfate", "Mg 9.8, S 13", "", 500, 0.9),
        Of("borax,borate", "B 11", "", 15, 0.9), Of("zinc sulphate,zinc sulfate", "Zn 35, S 17", "", 20, 1.2),
        Of("copper sulphate,copper sulfate", "Cu 25, S 12.8", "", 15, 1.1),
        Of("manganese sulphate,manganese sulfate", "Mn 31, S 18", "", 40, 1.1), Of("elemental sulphur,sulphur,sulfur", "S 90", "S 60",
            300, 1.2),
        Of("ash", "K 5, Ca 25, Mg 1.5, P 0.8", "", 2000, 0.6), Of("kelp,seaweed", "N 1, K 2.5", "N 50", 1000, 0.6),
        Of("castings", "N 0.54, P 0.2, K 0.4, Ca 0.6", "N 15, P 40", 20_000, 0.7),
        Of("compost,mould", "N 0.8, P 0.2, K 0.5, Ca 1.2, Mg 0.3", "N 10, P 40", 30_000, 0.6),
        Of("greensand", "K 5", "K 5", 3000, 1.3), Of("hen manure,poultry", "N 2.2, P 0.9, K 1.2, Ca 3", "N 50, P 60", 6000, 0.5),
    ];

    /// <summary>The usual one of that name; null where it says nothing. The longest word counts.</summary>
    /// <remarks>"potassium sulphate": that, and not sulphur.</remarks>
    public static UsualInput? For(string name) => All.SelectMany(u => u.Words.Select(w => (Input: u, Word: w)))
        .Where(u => name.Contains(u.Word, StringComparison.OrdinalIgnoreCase)).OrderByDescending(u => u.Word.Length).Select(u => u.Input)
        .FirstOrDefault();

    /// <summary>Per cents as typed: "Ca 22 %, S 17", "P2O5 12"; null where a word or a figure is not understood.</summary>
    /// <remarks>"P2O5 12": P 0.0524.</remarks>
    public static IReadOnlyDictionary<string, double>? Read(string typed)
    {
        var found = new Dictionary<string, double>();
        foreach (var piece in typed.Split([',', ';', '\n'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            var m = Pair().Match(piece);
            if (!m.Success || Nutrients.Read(m.Groups[1].Value) is not { Of.Property: false } of
                || TypedNumber.Of(m.Groups[2].Value, pointIsDecimal: true) is not { Value: { } percent, Sure: true }
                    || percent is < 0 or > 100)
            {
                return null;
            }

            found[of.Of.Id] = found.GetValueOrDefault(of.Of.Id) + (percent / 100 * of.Share);
        }

        return found;
    }

    /// <summary>As it is typed: "Ca 22, S 17".</summary>
    public static string Write(IReadOnlyDictionary<string, double> shares) =>
        string.Join(", ", shares.Where(s => s.Value > 0).Select(s => $"{s.Key} {Say.Number(s.Value * 100)}"));

    private static UsualInput Of(string words, string holds, string first, double most, double kgPerL) =>
        new(words.Split(','), Read(holds)!, Read(first)!, most, kgPerL);

    [GeneratedRegex(@"^(.*?)\s*[:=]?\s*([0-9]+(?:[.,][0-9]+)?)\s*%?$", RegexOptions.NonBacktracking)]
    private static partial Regex Pair();
}
