using System.Text.RegularExpressions;
using MudPie.Core.Measures;
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

        var typed = parts.Trim();
        if (typed.Length > 80)
        {
            return Refusal.Of("parts", "That is too long for a dilution.", WayOut);
        }

        var text = typed.ToLowerInvariant();
        if (Figures().Matches(text).Select(m => (m.Value, Read: TypedNumber.Of(m.Value)))
            .FirstOrDefault(n => !n.Read.Sure) is { Value: { } unsure, Read: var number })
        {
            return number.Other is null
                ? Refusal.Of("parts", $"“{unsure}” is not a number.", WayOut)
                : Refusal.Of("parts",
                    $"“{typed}” can be read as {text.Replace(unsure, TypedNumber.Figure(number.Value), StringComparison.Ordinal)} or "
                        + $"as {text.Replace(unsure, TypedNumber.Figure(number.Other), StringComparison.Ordinal)}.",
                        "Write the one that you mean, without a sign for thousands.");
        }

        var dilution = Neat().IsMatch(text) ? new Dilution(1, 0)
            : Percent().Match(text) is { Success: true } p ? FromShare(Number(p, 1) / 100)
            : OneIn().Match(text) is { Success: true } i ? FromShare(Number(i, 1) / Number(i, 2))
            : null;
        if (dilution is null && Pair().Match(text) is { Success: true } pair)
        {
            var (read, twoWays) = FromPair(pair, typed);
            if (twoWays is not null)
            {
                return twoWays;
            }

            dilution = read;
        }

        if (dilution is null)
        {
            return Refusal.Of("parts", $"“{parts.Trim()}” is not a dilution.", WayOut);
        }

        if (!double.IsFinite(dilution.OneIn) || dilution.OneIn < 1 || dilution.OneIn > 10_000 || dilution.TeaParts <= 0)
        {
            return Refusal.Of("parts", $"“{parts.Trim()}” would leave no tea, or more tea than there is.", WayOut);
        }

        return Worked.Of(
            dilution,
            "",
            Evidence.ChemistryOrPhysics,
            [new("one in", "(tea + water) ÷ tea",
                $"({Say.Number(dilution.TeaParts)} + {Say.Number(dilution.WaterParts)}) ÷ {Say.Number(dilution.TeaParts)}",
                $"1 in {Say.Number(dilution.OneIn, 4)}", "the first figure is tea, the second is water, unless the words say otherwise")]);
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
            lines.Add(new("tea", "total ÷ one in", $"{Say.Number(total)} L ÷ {Say.Number(d.OneIn, 4)}", $"{Say.Number(tea!.Value)} L",
                "definition"));
            lines.Add(new("water", "total − tea", $"{Say.Number(total)} − {Say.Number(tea.Value)} L", $"{Say.Number(total - tea.Value)} L",
                "definition"));
        }

        return Worked.Of(new DilutionAnswer(tea, totalL - tea, d.OneIn, d.BothWays), "L", Evidence.ChemistryOrPhysics, lines,
            read.Worked.Cautions);
    }

    private static Dilution? FromShare(double share) => share is > 0 and <= 1 ? new Dilution(1, (1 / share) - 1) : new Dilution(0, 1);

    /// <summary>Words on both figures or on the first decide. "1:5 tea" is tea thinned 1:5; "1 + 5 tea", and "50:1" with no word at all,
    /// are asked about.</summary>
    private static (Dilution? Read, Refusal? TwoWays) FromPair(Match m, string typed)
    {
        var (first, second) = (Number(m, 1), Number(m, 2));
        var (w1, w2) = (m.Groups["w1"].Value, m.Groups["w2"].Value);
        bool Is(string words, params string[] what) => what.Any(w => words.Contains(w, StringComparison.Ordinal));
        string[] tea = ["tea", "brew", "extract"];
        var straight = new Dilution(first, second);
        var turned = new Dilution(second, first);
        if (w2.Trim().EndsWith("water to tea", StringComparison.Ordinal) || Is(w1, "water"))
        {
            return (turned, null);
        }

        if (Is(w1, tea) || Is(w2, "water"))
        {
            return (straight, null);
        }

        var asIs = first <= second || second == 0;
        var thinned = m.Groups["by"].Value is ":" or "/";
        if (asIs && (thinned || !Is(w2, tea)))
        {
            return (straight, null);
        }

        return (null, Refusal.Of("parts", $"“{typed}” can be read as {straight.BothWays} or as {turned.BothWays}.",
            $"Write {Say.Number(first, 9)} tea to {Say.Number(second, 9)} water, or {Say.Number(second, 9)} tea to {Say.Number(first, 9)} "
                + "water."));
    }

    private static double Number(Match m, int group) => TypedNumber.Of(m.Groups["n" + group].Value).Value ?? 0;

    private const string Figure = @"[0-9][0-9.,]{0,18}";

    [GeneratedRegex(@"[0-9][0-9.,]*", RegexOptions.NonBacktracking)]
    private static partial Regex Figures();

    [GeneratedRegex(@"^(neat|undiluted|straight)$", RegexOptions.NonBacktracking)]
    private static partial Regex Neat();

    [GeneratedRegex(@"^(?<n1>" + Figure + @")\s*(%|per\s?cent|percent)(\s+(tea|brew|extract))?$", RegexOptions.NonBacktracking)]
    private static partial Regex Percent();

    [GeneratedRegex(@"^(?<n1>" + Figure + @")\s+in\s+(?<n2>" + Figure + @")$", RegexOptions.NonBacktracking)]
    private static partial Regex OneIn();

    [GeneratedRegex(@"^(?<n1>" + Figure + @")\s*(?<w1>(?:parts?|of|tea|brew|extract|water|\s)*)\s*(?<by>:|\+|to|and|/)\s*(?<n2>" + Figure
        + @")\s*(?<w2>(?:parts?|of|tea|brew|extract|water|to|\s)*)$", RegexOptions.NonBacktracking)]
    private static partial Regex Pair();
}
