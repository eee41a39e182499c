using System.Globalization;
using System.Text.RegularExpressions;

namespace MudPie.Core.Measures;

/// <summary>Depths of water as they are said: "12", "12 mm", "0.5 in".</summary>
public static partial class Rainfall
{
    /// <summary>mm in an inch, exactly.</summary>
    public const double MmPerInch = 25.4;

    /// <summary>Reads a depth; null where it is none.</summary>
    /// <param name="typed">As typed; a bare number is mm, or inches where the holding goes by feet.</param>
    /// <param name="units">The holding's units.</param>
    /// <returns>mm.</returns>
    /// <remarks>"12" is 12 mm; "0.5 in" is 12.7 mm; "½ inch" is 12.7 mm; "1/2 in" is 12.7 mm.</remarks>
    public static double? Read(string typed, UnitSystem units)
    {
        var match = Said().Match(typed.Trim().ToLowerInvariant().Replace("½", "0.5", StringComparison.Ordinal)
            .Replace("¼", "0.25", StringComparison.Ordinal).Replace("¾", "0.75", StringComparison.Ordinal));
        if (!match.Success)
        {
            return null;
        }

        double Figure(string group) => double.Parse(match.Groups[group].Value.Replace(',', '.'), CultureInfo.InvariantCulture);
        var figure = Figure("n") / (match.Groups["d"].Success ? Figure("d") : 1);
        var inches = match.Groups["u"].Success ? match.Groups["u"].Value.StartsWith('i') || match.Groups["u"].Value == "\"" : units.IsUs();
        return double.IsFinite(figure) ? figure * (inches ? MmPerInch : match.Groups["u"].Value.StartsWith("cm", StringComparison.Ordinal)
            ? 10 : 1) : null;
    }

    [GeneratedRegex(@"^(?<n>\d{1,4}([.,]\d{1,4})?)(/(?<d>\d{1,3}))?\s*(?<u>mm|cm|inch(es)?|in|"")?(\s+of\s+\w+)?$",
        RegexOptions.NonBacktracking | RegexOptions.CultureInvariant)]
    private static partial Regex Said();
}
