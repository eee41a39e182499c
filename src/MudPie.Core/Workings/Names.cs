using System.Globalization;

namespace MudPie.Core.Workings;

/// <summary>What a name is held to, whether it came by a form or in a file: two names must not look alike.</summary>
public static class Names
{
    /// <summary>Longest name, in UTF-16 units.</summary>
    public const int Most = 60;

    /// <summary>What is wrong with a name; null where nothing is. It is kept as it was typed.</summary>
    public static string? Wrong(string? name) =>
        string.IsNullOrWhiteSpace(name) ? "It has no name."
        : name.Length > Most ? "That name is too long."
        : name.FirstOrDefault(Unseen) is var unseen and not '\0' || name.Contains(unseen = '\0', StringComparison.Ordinal)
        ? $"That name holds a sign that can't be seen (U+{((int)unseen).ToString("X4", CultureInfo.InvariantCulture)})."
        : name.EnumerateRunes().Contains(System.Text.Rune.ReplacementChar) ? "That name holds half a sign, which can't be kept."
        : null;

    /// <summary>Control signs, signs of no width, and those that turn the direction of writing. Joiners stay: some scripts, and some
    /// pictures, are written with them.</summary>
    private static bool Unseen(char c) => char.IsControl(c) || c is '\u200B' or '\u2060' or '\uFEFF' or '\u00AD'
        or (>= '\u202A' and <= '\u202E') or (>= '\u2066' and <= '\u2069');
}
