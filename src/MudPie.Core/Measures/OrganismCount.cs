namespace MudPie.Core.Measures;

/// <summary>How many organisms, as labels write it.</summary>
public static class OrganismCount
{
    /// <summary>Reads it; 0, with the reason among the fields' checks, where it can't be read.</summary>
    /// <remarks>"1e6", "1 million", "1 000 000" and "1×10^6" are all 1,000,000.</remarks>
    public static double Read(string? typed, string field, TypedFields fields)
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
