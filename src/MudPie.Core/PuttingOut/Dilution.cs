using System.Globalization;
using System.Text.RegularExpressions;
using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>A dilution that can mean only one thing: parts of tea and parts of water.</summary>
/// <param name="TeaParts">More than 0.</param>
/// <param name="WaterParts">0 or more.</param>
public sealed record Dilution(double TeaParts, double WaterParts)
{
    /// <summary>One in how many: 1 + 5 is one in 6.</summary>
    public double OneIn => (TeaParts + WaterParts) / TeaParts;

    /// <summary>Both ways: "1 part tea + 5 parts water (1 in 6)".</summary>
    public string BothWays => WaterParts == 0
        ? "neat, no water (1 in 1)"
        : $"{Parts(TeaParts)} tea + {Parts(WaterParts)} water (1 in {Say.Number(OneIn, 4)})";

    private static string Parts(double n) => $"{Say.Number(n, 4)} {(n == 1 ? "part" : "parts")}";
}

/// <summary>How much tea and how much water.</summary>
public sealed record DilutionAnswer(double? TeaL, double? WaterL, double OneIn, string BothWays);

/// <summary>Reads dilutions one way only: the first figure is tea, the second is water, unless the words say otherwise.</summary>
public static partial class Dilutions
{
    private const string WayOut = "Write 1:5 (one part tea, five parts water), 1 in 6, 20 %, or neat.";

    /// <summary>Reads what was typed.</summary>
    /// <param name="parts">"1:5", "1+5", "1 to 5", "5 water to 1 tea", "1 in 6", "20 %", "neat". Up to one in 10,000.</param>
    /// <remarks>"1:5" is one part tea and five parts water, which is 1 in 6. "20 %" is 1 in 5.</remarks>
    public static Ruling<Dilution> Read(string? parts)
    {
        if (string.IsNullOrWhiteSpace(parts))
        {
            return Refusal.Of("parts", "Nothing was typed.", WayOut);
        }

        var text = parts.Trim().ToLowerInvariant().Replace(',', '.');
        var dilution = Neat().IsMatch(text) ? new Dilution(1, 0)
            : Percent().Match(text) is { Success: true } p ? FromShare(Number(p, 1) / 100)
            : OneIn().Match(text) is { Success: true } i ? FromShare(Number(i, 1) / Number(i, 2))
            : Pair().Match(text) is { Success: true } r ? FromPair(r)
            : null;
        if (dilution is null)
        {
            return Refusal.Of("parts", $"“{parts.Trim()}” is not a dilution.", WayOut);
        }

        if (!double.IsFinite(dilution.OneIn) || dilution.OneIn < 1 || dilution.OneIn > 10_000 || dilution.TeaParts <= 0)
        {
            return Refusal.Of("parts", $"“{parts.Trim()}” would leave no tea, or more tea than there is.", WayOut);
        }

        var cautions = dilution.WaterParts < dilution.TeaParts && dilution.WaterParts > 0 && dilution.TeaParts > 1
            ? new[] { new Caution("more-tea-than-water", $"This is read as {dilution.BothWays}: more tea than water. If you meant it the other way, write {Say.Number(dilution.WaterParts)}:{Say.Number(dilution.TeaParts)}.", Cautions.Usual) }
            : [];
        return Worked.Of(
            dilution,
            "",
            Evidence.ChemistryOrPhysics,
            [new("one in", "(tea + water) ÷ tea", $"({Say.Number(dilution.TeaParts)} + {Say.Number(dilution.WaterParts)}) ÷ {Say.Number(dilution.TeaParts)}", $"1 in {Say.Number(dilution.OneIn, 4)}", "the first figure is tea, the second is water")],
            cautions);
    }

    /// <summary>Splits a total of mixed liquid.</summary>
    /// <param name="parts">As <see cref="Read"/>.</param>
    /// <param name="totalL">Litres in all, more than 0 to 1,000,000; null for the ratio alone.</param>
    /// <remarks>"1:5" over 12 L is 2 L of tea and 10 L of water.</remarks>
    public static Ruling<DilutionAnswer> Split(string? parts, double? totalL)
    {
        var read = Read(parts);
        var checks = new Checks();
        if (read.Refused is { } refused)
        {
            checks.Add(refused);
        }

        if (totalL is not null)
        {
            checks.Range("totalL", totalL, 0.001, 1_000_000, "L");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var d = read.Value;
        var tea = totalL / d.OneIn;
        var lines = read.Worked.Working.ToList();
        if (totalL is { } total)
        {
            lines.Add(new("tea", "total ÷ one in", $"{Say.Number(total)} L ÷ {Say.Number(d.OneIn, 4)}", $"{Say.Number(tea!.Value)} L", "definition"));
            lines.Add(new("water", "total − tea", $"{Say.Number(total)} − {Say.Number(tea.Value)} L", $"{Say.Number(total - tea.Value)} L", "definition"));
        }

        return Worked.Of(new DilutionAnswer(tea, totalL - tea, d.OneIn, d.BothWays), "L", Evidence.ChemistryOrPhysics, lines, read.Worked.Cautions);
    }

    private static Dilution? FromShare(double share) => share is > 0 and <= 1 ? new Dilution(1, (1 / share) - 1) : new Dilution(0, 1);

    private static Dilution FromPair(Match m)
    {
        var (first, second) = (Number(m, 1), Number(m, 2));
        var words = (m.Groups["w1"].Value + " | " + m.Groups["w2"].Value).Trim();
        var firstIsWater = m.Groups["w1"].Value.Contains("water") || words.EndsWith("water to tea", StringComparison.Ordinal)
            || (m.Groups["w2"].Value.Contains("tea") && !m.Groups["w2"].Value.Contains("water"));
        return firstIsWater ? new Dilution(second, first) : new Dilution(first, second);
    }

    private static double Number(Match m, int group) => double.Parse(m.Groups["n" + group].Value, CultureInfo.InvariantCulture);

    [GeneratedRegex(@"^(neat|undiluted|straight)$")]
    private static partial Regex Neat();

    [GeneratedRegex(@"^(?<n1>\d{1,9}(?:\.\d{1,9})?)\s*(%|per\s?cent|percent)(\s+(tea|brew|extract))?$")]
    private static partial Regex Percent();

    [GeneratedRegex(@"^(?<n1>\d{1,9}(?:\.\d{1,9})?)\s+in\s+(?<n2>\d{1,9}(?:\.\d{1,9})?)$")]
    private static partial Regex OneIn();

    [GeneratedRegex(@"^(?<n1>\d{1,9}(?:\.\d{1,9})?)\s*(?<w1>(?:parts?|of|tea|brew|extract|water|\s)*?)\s*(?::|\+|to|and|/)\s*(?<n2>\d{1,9}(?:\.\d{1,9})?)\s*(?<w2>(?:parts?|of|tea|brew|extract|water|to|\s)*)$")]
    private static partial Regex Pair();
}
