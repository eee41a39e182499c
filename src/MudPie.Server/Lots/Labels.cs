using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records.Shelf;

namespace MudPie.Server.Lots;

/// <summary>What stands on a label, read.</summary>
public static class Labels
{
    /// <summary>The first label rate of an input; null where it has none.</summary>
    public static LabelRate? Of(Input i)
    {
        if (i.LabelRates is { } json)
        {
            return json.FirstOrDefault();
        }

        var unit = StockKeeper.UnitOf(i) == "L" ? "mL" : "g";
        return i is { LabelRate: { } rate, LabelBasis: { } basis } ? new LabelRate(rate, rate, unit, basis, i.LabelEveryDays,
            basis == "oneIn" ? $"1 in {Say.Number(rate)}" : $"{Say.Number(rate)} {unit} {Word(basis)}") : null;
    }

    /// <summary>The first label rate as a grower would type it; null where it has none.</summary>
    public static string? RateShown(Input i, UnitSystem units) => i.LabelRate is not { } rate ? null
        : StockKeeper.UnitOf(i) == "L" ? Units.Show(rate / 1000, Dimension.Volume, units) : Units.Show(rate, Dimension.Mass, units);

    /// <summary>A basis in words.</summary>
    public static string Word(string basis) => basis switch {
        "perHa" => "a hectare",
        "per100m2" => "on 100 m²",
        "perLitre" => "a litre",
        "perPlant" => "a plant",
        "perKgSeed" => "a kilo of seed",
        "perM3Mix" => "a cubic metre of mix",
        _ => "one part in so many"
    };

    /// <summary>"1e6", "2 million", "500 000".</summary>
    internal static double Organisms(string? typed, string field, TypedFields fields)
    {
        var text = (typed ?? "").Trim().ToLowerInvariant().Replace(" ", "", StringComparison.Ordinal)
            .Replace("×10^", "e", StringComparison.Ordinal).Replace("x10^", "e", StringComparison.Ordinal);
        var factor = 1.0;
        foreach (var (word, times) in new[] { ("thousandmillion", 1e9), ("billion", 1e9), ("million", 1e6), ("thousand", 1e3) })
        {
            if (text.EndsWith(word, StringComparison.Ordinal))
            {
                (text, factor) = (text[..^word.Length], times);
                break;
            }
        }

        var read = TypedNumber.Of(text);
        if (read.Other is not null)
        {
            fields.Checks.Add(read.TwoWays(field, typed!));
            return 0;
        }

        if (read.Value is > 0 and var value && double.IsFinite(value * factor))
        {
            return value * factor;
        }

        fields.Checks.Add(field, string.IsNullOrWhiteSpace(typed) ? "Nothing was typed." : $"“{typed}” is no count.",
            "Write 1e6, 1000000 or 1 million.");
        return 0;
    }
}
