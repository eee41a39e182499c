namespace MudPie.Server.Judging;

/// <summary>What a treatment's rate is of: as it is chosen, and in words.</summary>
public static class RateBases
{
    private static readonly Dictionary<string, string> Words = new() {
        ["perM2"] = "a m²", ["perHa"] = "a hectare", ["perAcre"] = "an acre", ["perFt2"] = "a sq ft", ["perPlot"] = "a plot"
    };

    /// <summary>In words: "perHa" is "a hectare"; what is not known is a square metre.</summary>
    public static string Word(string? basis) => Words.GetValueOrDefault(basis ?? "", Words["perM2"]);

    /// <summary>A rate as it was kept, cut in two: "20 mL a m²" is 20 mL, perM2.</summary>
    public static (string Rate, string Basis) Cut(string? kept) =>
        Words.FirstOrDefault(w => kept?.EndsWith(" " + w.Value, StringComparison.Ordinal) == true) is { Key: { } basis } found
            ? (kept![..^(found.Value.Length + 1)], basis) : (kept ?? "", "perM2");
}
