using System.Text.RegularExpressions;
using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>A rate as a label speaks it.</summary>
/// <param name="Low">Low end, mL or g on the basis; one in so many for that.</param>
/// <param name="High">High end; the same as low where it is no range.</param>
/// <param name="Unit">"mL" or "g".</param>
/// <param name="Basis">What it is on.</param>
/// <param name="EveryDays">Days between; null where it does not say.</param>
/// <param name="Shown">As the label says it.</param>
public sealed record LabelRate(double Low, double High, string Unit, RateBasis Basis, double? EveryDays, string Shown);

/// <summary>Reads what stands on a label: ranges, bases, and several pairs of rate and interval.</summary>
public static partial class LabelRates
{
    private const string WayOut =
        "Write it as the label does: 4 mL per 2 US gallons; 3 to 5 mL a can of 10 L, each week; 12 mL monthly; 2 L/ha; 5 g a plant; 1:300.";

    /// <summary>All pairs of a label, in its order. What follows without a basis of its own is on the one before.</summary>
    /// <param name="text">Up to 200 letters.</param>
    /// <param name="liquid">The product is measured by volume.</param>
    /// <param name="units">Whose spoons and gallons.</param>
    /// <remarks>"3 to 5 mL a can of 10 L, each week; 12 mL monthly": 0.3 to 0.5 mL a litre every 7 days, and 1.2 mL a litre every
    /// 30.</remarks>
    public static Ruling<IReadOnlyList<LabelRate>> Read(string? text, bool liquid, UnitSystem units = UnitSystem.Metric)
    {
        var typed = (text ?? "").Trim();
        if (typed.Length is 0 or > 200)
        {
            return Refusal.Of("labelRate", typed.Length == 0 ? "Nothing was typed." : "That is too long for a rate.", WayOut);
        }

        var list = new List<LabelRate>();
        (RateBasis Basis, double Per)? before = null;
        foreach (var part in typed.Split(';', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries).Take(8))
        {
            var every = Interval(part, out var rest);
            var read = One(rest, liquid, units, before, out var basis);
            if (read.Refused is { } no)
            {
                return no;
            }

            before = basis;
            list.Add(read.Value with { EveryDays = every, Shown = part });
        }

        return Worked.Of<IReadOnlyList<LabelRate>>(list, "", Evidence.MeasuredHere,
            list.Select(r => new WorkingLine("on the label", r.Basis.Word(), r.Shown, r.Basis == RateBasis.OneIn
                ? $"1 in {Say.Number(r.Low)}" : $"{Say.Number(r.Low)}{(r.High > r.Low ? $" to {Say.Number(r.High)}" : "")} {r.Unit}",
                r.EveryDays is { } d ? $"every {Say.Number(d)} days" : "no interval said")));
    }

    private static Ruling<LabelRate> One(string part, bool liquid, UnitSystem units, (RateBasis Basis, double Per)? before,
        out (RateBasis Basis, double Per)? basis)
    {
        basis = before;
        var dimension = liquid ? Dimension.Volume : Dimension.Mass;
        var unit = liquid ? "mL" : "g";
        var text = part.ToLowerInvariant().Trim(' ', ',', '.');
        if (Thinned().IsMatch(text) && Dilutions.Read(text) is { } thin)
        {
            basis = (RateBasis.OneIn, 1);
            return thin.Refused is { } no ? Renamed(no)
                : Worked.Of(new LabelRate(thin.Value.OneIn, thin.Value.OneIn, unit, RateBasis.OneIn, null, part), "",
                    Evidence.MeasuredHere);
        }

        var cut = Per().Match(text);
        var amounts = cut.Success ? text[..cut.Index] : text;
        if (cut.Success)
        {
            var found = Basis(text[(cut.Index + cut.Length)..].Trim(' ', ',', '.'), units);
            if (found.Refused is { } no)
            {
                return Renamed(no);
            }

            basis = found.Value;
        }

        if (basis is not { } on)
        {
            return Refusal.Of("labelRate", $"“{part}”: on what?",
                $"Say what it is for: a litre of feed, a plant, 100 m², a hectare, a kilo of seed, a cubic metre of mix. {WayOut}");
        }

        var range = Range().Match(amounts.Trim());
        string[] ends = range.Success
            ? [$"{range.Groups[1].Value} {range.Groups[3].Value}", $"{range.Groups[2].Value} {range.Groups[3].Value}"] : [amounts.Trim()];
        var si = new List<double>();
        foreach (var end in ends)
        {
            var read = AmountText.Read("labelRate", end, dimension, units);
            if (read.Refused is { } no)
            {
                return no;
            }

            si.Add(read.Value.Si * (liquid ? 1000 : 1) / on.Per);
        }

        return si[0] > 0 && si[^1] >= si[0]
            ? Worked.Of(new LabelRate(si[0], si[^1], unit, on.Basis, null, part), "", Evidence.MeasuredHere)
            : Refusal.Of("labelRate", $"“{part}” is no range from less to more.", WayOut);
    }

    /// <summary>What a rate is on, and how much of it: "can of 10 L" is ten litres, "1000 sq ft" 0.929 times 100 m².</summary>
    private static Ruling<(RateBasis Basis, double Per)> Basis(string text, UnitSystem units)
    {
        Ruling<(RateBasis, double)> Is(RateBasis basis, double per) => Worked.Of((basis, per), "", Evidence.MeasuredHere);
        var plain = Filler().Replace(text, " ").Trim();
        if (Plant().IsMatch(plain))
        {
            return Is(RateBasis.PerPlant, 1);
        }

        if (Seed().Match(plain) is { Success: true } seed)
        {
            return AmountText.Read("labelRate", Counted(seed.Groups[1].Value), Dimension.Mass, units)
                .Match(w => Is(RateBasis.PerKgSeed, w.Value.Si / 1000), r => r);
        }

        if (Mix().Match(plain) is { Success: true } mix)
        {
            return AmountText.Read("labelRate", Counted(mix.Groups[1].Value), Dimension.Volume, units)
                .Match(w => Is(RateBasis.PerM3Mix, w.Value.Si / 1000), r => r);
        }

        if (AmountText.Read("labelRate", Counted(plain), Dimension.Area, units) is { Refused: null } area)
        {
            return plain.Contains("ha", StringComparison.Ordinal) || plain.Contains("hectare", StringComparison.Ordinal)
                || plain.Contains("acre", StringComparison.Ordinal) ? Is(RateBasis.PerHa, area.Value.Si / 10_000)
                : Is(RateBasis.Per100M2, area.Value.Si / 100);
        }

        if (plain is "m³" or "m3" or "cubic metre")
        {
            return Is(RateBasis.PerLitre, 1000);
        }

        return AmountText.Read("labelRate", Counted(plain), Dimension.Volume, units).Match(w => Is(RateBasis.PerLitre, w.Value.Si), r => r);
    }

    /// <summary>A basis with no figure is one of it: "litre" is "1 litre".</summary>
    private static string Counted(string text) =>
        text.Length > 0 && (char.IsAsciiDigit(text[0]) || text.StartsWith("half", StringComparison.Ordinal)) ? text : "1 " + text;

    private static double? Interval(string part, out string rest)
    {
        var m = Every().Match(part.ToLowerInvariant());
        rest = m.Success ? part.Remove(m.Index, m.Length) : part;
        if (!m.Success)
        {
            return null;
        }

        var n = m.Groups["n"].Success ? double.Parse(m.Groups["n"].Value, System.Globalization.CultureInfo.InvariantCulture) : 1;
        return n * (m.Value switch {
            var v when v.Contains("fortnight") => 14,
            var v when v.Contains("month") => 30,
            var v when v.Contains("week") => 7,
            _ => 1
        });
    }

    private static Refusal Renamed(Refusal r) => new([.. r.Problems.Select(p => p with { Field = "labelRate" })]);

    [GeneratedRegex(@"\s*(?:\bper\b|/|\bto each\b|\bto every\b|\bfor each\b|\bfor every\b|\bon each\b"
        + @"|\bin each\b|\beach\b|\b(?:in|on) (?=[0-9a]|half)|\ban?\b)\s*",
        RegexOptions.None, 1000)]
    private static partial Regex Per();

    [GeneratedRegex(@"^([0-9][0-9.,]{0,12})\s*(?:to|-|–)\s*([0-9][0-9.,]{0,12})\s*([a-zµ]{1,20}(?: [a-z]{1,10}){0,2})$",
        RegexOptions.NonBacktracking)]
    private static partial Regex Range();

    [GeneratedRegex(@"^(?:1\s*[:+]\s*[0-9][0-9., ]{0,12}|1 in [0-9][0-9., ]{0,12}|[0-9.,]{1,8}\s*%)$", RegexOptions.NonBacktracking)]
    private static partial Regex Thinned();

    [GeneratedRegex(@"\b(?:can|cans|bucket|tank|of|water|feed|solution|mixed|knapsack|full)\b", RegexOptions.NonBacktracking)]
    private static partial Regex Filler();

    [GeneratedRegex(@"^(?:1 )?(?:plant|plants|tree|trees|bush|bushes|pot|pots|hill|vine)\b", RegexOptions.NonBacktracking)]
    private static partial Regex Plant();

    [GeneratedRegex(@"^(.{1,20}?)\s+seeds?$", RegexOptions.NonBacktracking)]
    private static partial Regex Seed();

    [GeneratedRegex(@"^(.{1,24}?)\s+(?:mix|compost|soil|substrate|potting mix)$", RegexOptions.NonBacktracking)]
    private static partial Regex Mix();

    [GeneratedRegex(@",?\s*\b(?:(?:every|each)\s+(?:(?<n>[0-9]{1,3})\s+)?(?:days?|weeks?|months?|fortnights?)"
        + @"|once a (?:day|week|month|fortnight)|a (?:day|week|month)"
        + @"|daily|weekly|monthly|fortnightly)\b",
        RegexOptions.NonBacktracking)]
    private static partial Regex Every();
}
