namespace MudPie.Core.Judging.Trials;

/// <summary>Which crossed factors are only where a thing is tried (crop, soil, feed), and not what is tried.</summary>
public static class TrialSettings
{
    /// <summary>Settings among the factors: by their names, because their levels are crops, or because untreated controls differ in them.
    /// Never all of them.</summary>
    /// <param name="factors">Names.</param>
    /// <param name="treatments">Levels of each treatment, in the order of the factors.</param>
    /// <param name="controls">Those of them that are untreated controls.</param>
    /// <remarks>char × crop with "none, beet" and "none, dahlia" as controls: crop is a setting.</remarks>
    public static IReadOnlyList<string> Of(IReadOnlyList<string> factors, IReadOnlyList<IReadOnlyList<string>> treatments,
        IReadOnlyList<IReadOnlyList<string>> controls)
    {
        List<string> found = [.. factors.Where((name, f) => TrialAnalysis.Setting(name, treatments.Select(t => t[f]).Distinct())
            || controls.Select(c => c[f]).Distinct().Count() > 1)];
        return factors.Count > 1 && found.Count < factors.Count ? found : [];
    }

    /// <summary>Levels of what is compared: the product over factors that are no setting. A comparison averages over the rest.</summary>
    /// <remarks>Char at four levels in two crops: 4, each side averaged over 2 cells.</remarks>
    public static int Compared(IReadOnlyList<string> factors, IReadOnlyList<IReadOnlyList<string>> treatments,
        IReadOnlyList<string> settings) =>
        factors.Select((name, f) => settings.Contains(name) ? 1 : treatments.Select(t => t[f]).Distinct().Count())
            .Aggregate(1, (a, b) => a * b);
}
