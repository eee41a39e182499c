using System.Globalization;
using System.Text.RegularExpressions;
using MudPie.Core.Workings;

namespace MudPie.Core.Measures;

/// <summary>A number as people type it, read one way only: or none, or two ways, and then it is asked about.</summary>
/// <param name="Value">The figure; null where there is none. Of two readings, the one with a decimal sign.</param>
/// <param name="Other">The second reading, with the sign for thousands; null where there is only one.</param>
/// <remarks>"1,5" is 1.5; "1,234.5", "1.234,5" and "1 234.5" are 1234.5; "0.250" is 0.25; "1,000" and "1.000" are one or a thousand, and
/// are asked about.</remarks>
public readonly partial record struct TypedNumber(double? Value, double? Other = null)
{
    private const int Longest = 40;

    /// <summary>True where it can only mean one thing.</summary>
    public bool Sure => Value is not null && Other is null;

    /// <summary>A figure as it can be typed, to six digits: it reads one way only.</summary>
    /// <remarks>47.55096 is "47.551" to six digits, which may be 47,551: it is written "47.5510".</remarks>
    public static string Write(double value) => Say.Number(value, 6) is var text && Of(text).Sure ? text : text + "0";

    /// <summary>Reads a text that is nothing but a number.</summary>
    /// <param name="text">Up to 40 characters; European digits only.</param>
    /// <param name="pointIsDecimal">A point can only be a decimal sign here, as in files that programs write.</param>
    /// <param name="commaIsDecimal">A comma can only be a decimal sign here, as its neighbours show.</param>
    public static TypedNumber Of(string? text, bool pointIsDecimal = false, bool commaIsDecimal = false)
    {
        var clean = (text ?? "").Trim().Replace('−', '-').Replace('\u00a0', ' ').Replace('\u202f', ' ').Replace('\u2009', ' ')
            .Replace('’', '\'');
        if (clean.Length is 0 or > Longest || !Whole().IsMatch(clean))
        {
            return default;
        }

        var exponent = clean.IndexOfAny(['e', 'E']);
        var (body, power) = exponent < 0 ? (clean, "") : (clean[..exponent], clean[exponent..]);
        body = body.Replace(" ", "", StringComparison.Ordinal).Replace("'", "", StringComparison.Ordinal);
        var spaced = body.Length < (exponent < 0 ? clean.Length : exponent);
        var (commas, points) = (body.Count(c => c == ','), body.Count(c => c == '.'));
        double? Plain(string figure) => double.TryParse(figure + power, NumberStyles.Float, CultureInfo.InvariantCulture, out var v)
            && double.IsFinite(v) ? v : null;
        if (commas + points == 0)
        {
            return new(Plain(body));
        }

        if (commas > 0 && points > 0)
        {
            var (group, sign) = body.LastIndexOf(',') > body.LastIndexOf('.') ? ('.', ',') : (',', '.');
            var cut = body.LastIndexOf(sign);
            return body.Count(c => c == sign) == 1 && Grouped(body[..cut], group)
                ? new(Plain(body[..cut].Replace(group.ToString(), "", StringComparison.Ordinal) + "." + body[(cut + 1)..])) : default;
        }

        var separator = commas > 0 ? ',' : '.';
        var together = body.Replace(separator.ToString(), "", StringComparison.Ordinal);
        if (commas + points > 1)
        {
            return Grouped(body, separator) ? new(Plain(together)) : default;
        }

        var value = Plain(body.Replace(',', '.'));
        var certain = spaced || power.Length > 0 || (separator == '.' ? pointIsDecimal : commaIsDecimal) || !Grouped(body, separator);
        return certain ? new(value) : new(value, Plain(together));
    }

    /// <summary>What to say where it is read two ways: both, and how to write each.</summary>
    public FieldProblem TwoWays(string field, string typed) => new(
        field, $"“{typed.Trim()}” can be read as {Figure(Value)} or as {Figure(Other)}.",
        $"Write {Figure(Value)} or {Figure(Other)}, without a sign for thousands.");

    internal static string Figure(double? value) => (value ?? 0).ToString("0.############", CultureInfo.InvariantCulture);

    /// <summary>Groups of three after one to three digits that do not begin with nought: what could be thousands.</summary>
    private static bool Grouped(string body, char separator)
    {
        var parts = body.TrimStart('+', '-').Split(separator);
        return parts.Length > 1 && parts[0].Length is >= 1 and <= 3 && parts[0][0] is >= '1' and <= '9' && parts.Skip(1)
            .All(p => p.Length == 3);
    }

    /// <summary>A number at the head of a text: what <see cref="Of"/> reads.</summary>
    [GeneratedRegex(@"^[+-]?(?:[0-9]{1,3}(?:[ '][0-9]{3})+(?:[.,][0-9]+)?|[0-9]+(?:[.,][0-9]+)*|[.,][0-9]+)"
        + @"(?:[eE][+-]?[0-9]{1,3})?(?![0-9])",
        RegexOptions.None, 1000)]
    internal static partial Regex Head();

    [GeneratedRegex(@"^[+-]?(?:[0-9]{1,3}(?:[ '][0-9]{3})+(?:[.,][0-9]+)?|[0-9]+(?:[.,][0-9]+)*|[.,][0-9]+)(?:[eE][+-]?[0-9]{1,3})?$",
        RegexOptions.NonBacktracking)]
    private static partial Regex Whole();
}
