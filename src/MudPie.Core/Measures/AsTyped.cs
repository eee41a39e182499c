namespace MudPie.Core.Measures;

/// <summary>The words in which an amount was typed, laid beside the figure that it became.</summary>
public static class AsTyped
{
    /// <summary>"typed “64 F”" where that says more than the figure shown; null where nobody typed it, or where both say the
    /// same.</summary>
    /// <param name="typed">What the grower wrote.</param>
    /// <param name="shown">The figure as pages show it.</param>
    /// <remarks>"64 F" beside "17.8 °C" is said; "6.7" beside "6.7 mg/L" is not.</remarks>
    public static string? Beside(string? typed, string shown) =>
        string.IsNullOrWhiteSpace(typed) || Plain(shown).StartsWith(Plain(typed), StringComparison.Ordinal) ? null : $"typed “{typed}”";

    private static string Plain(string text) =>
        string.Concat(text.Where(c => !char.IsWhiteSpace(c) && c is not ('°' or '.' or ','))).ToUpperInvariant();
}
