using System.Globalization;
using System.Text.RegularExpressions;
using MudPie.Core.Workings;

namespace MudPie.Core.Measures;

/// <summary>An amount as it was typed, and in SI.</summary>
/// <param name="Typed">What the grower wrote, kept for display.</param>
/// <param name="Si">The figure in the dimension's SI unit (L, g, m², m, °C, L/min, kPa, mg/L).</param>
/// <param name="Shown">The same in the holding's own units.</param>
/// <param name="InTools">For volumes: in spoons, cups and jugs, with the error that rounding makes; otherwise null.</param>
public sealed record Amount(string Typed, double Si, string Shown, string? InTools);

/// <summary>Reads amounts as people say them: "half a cup", "2 gal", "1 1/2 tbsp", "3 l", "1,5 kg", "½ tsp".</summary>
public static partial class AmountText
{
    private static readonly Dictionary<string, double> Words = new() {
        ["half"] = 0.5,
        ["quarter"] = 0.25,
        ["third"] = 1.0 / 3,
        ["a"] = 1,
        ["an"] = 1,
        ["one"] = 1,
        ["two"] = 2,
        ["three"] = 3,
        ["four"] = 4,
        ["five"] = 5,
        ["six"] = 6,
        ["seven"] = 7,
        ["eight"] = 8,
        ["nine"] = 9,
        ["ten"] = 10,
        ["dozen"] = 12,
    };

    private static readonly Dictionary<char, string> Fractions = new() {
        ['½'] = "1/2",
        ['¼'] = "1/4",
        ['¾'] = "3/4",
        ['⅓'] = "1/3",
        ['⅔'] = "2/3",
        ['⅛'] = "1/8",
        ['⅜'] = "3/8",
        ['⅝'] = "5/8",
        ['⅞'] = "7/8",
    };

    /// <summary>Reads an amount of a loose stuff, by volume or by weight, as litres. A bare number is a volume.</summary>
    /// <param name="field">The field's name, for a refusal.</param>
    /// <param name="text">What was typed.</param>
    /// <param name="kgPerLitre">Its bulk density, more than 0.</param>
    /// <param name="system">The holding's units.</param>
    /// <remarks>"2 kg" of compost at 0.5 kg a litre: 4 L.</remarks>
    public static Ruling<Amount> ReadLoose(string field, string? text, double kgPerLitre, UnitSystem system = UnitSystem.Metric)
    {
        var volume = Read(field, text, Dimension.Volume, system);
        if (volume.Refused is null || Read(field, text, Dimension.Mass, system) is not { Refused: null } mass)
        {
            return volume;
        }

        var litres = mass.Value.Si / 1000 / kgPerLitre;
        return mass.Worked with {
            Value = new Amount(mass.Value.Typed, litres,
                $"{Units.Show(litres, Dimension.Volume, system)}, from {mass.Value.Shown} at {Say.Number(kgPerLitre)} kg a litre",
                Spoons.InTools(new Litres(litres), system).WithError),
        };
    }

    /// <summary>Reads an amount of one dimension. A bare number is taken in the holding's usual unit.</summary>
    /// <param name="field">The field's name, for a refusal.</param>
    /// <param name="text">What was typed; "1 1/2 tbsp" is 0.0225 L in metric spoons.</param>
    /// <param name="dimension">What kind of thing is wanted.</param>
    /// <param name="system">The holding's units: decides the cup, the spoons and what a bare number means.</param>
    public static Ruling<Amount> Read(string field, string? text, Dimension dimension, UnitSystem system = UnitSystem.Metric)
    {
        if (string.IsNullOrWhiteSpace(text))
        {
            return Refusal.Of(field, "Nothing was typed.", Examples(dimension));
        }

        var typed = text.Trim();
        if (typed.Length > 60)
        {
            return Refusal.Of(field, "That is too long for an amount.", Examples(dimension));
        }

        var clean = Normalise(typed);
        if (!TakeNumber(clean, out var figure, out var rest, out var twoWays))
        {
            return twoWays is { } both ? new Refusal([both.TwoWays(field, typed)]) : Refusal.Of(field, $"There is no number in “{typed}”.",
                Examples(dimension));
        }

        rest = LeadingWords().Replace(rest, "").Trim();
        if (rest.Length == 0 && dimension == Dimension.AreaRate && system.IsUs())
        {
            return Refusal.Of(field, $"“{typed}” can be read two ways: {Say.Number(figure)} L/ha, or {Say.Number(figure)} gal/acre.",
                "Say which of the two, with its unit.");
        }

        var unit = rest.Length == 0
            ? Units.Default(dimension, system)
            : Units.Of(dimension, system).FirstOrDefault(u => u.Names.Contains(rest) || u.Names.Contains(rest.TrimEnd('.')));
        if (dimension == Dimension.Volume && Units.TwoGallons(rest.TrimEnd('.'), system) is { } two)
        {
            var (us, imperial) = (Units.Show(figure * two.Us.Factor, dimension, system), Units.Show(figure * two.Imperial.Factor,
                dimension, system));
            return new Refusal([new(field, $"“{typed}” can be US ({us}) or imperial ({imperial}).",
                $"Write {Say.Number(figure)} {two.Us.Shown} or {Say.Number(figure)} {two.Imperial.Shown}; or say once for the holding "
                    + "which is meant.", "gallons")]);
        }

        if (unit is null)
        {
            var known = string.Join(", ", Units.Of(dimension, system).Select(u => u.Shown).Where(s => s.Length > 0).Take(6));
            return Refusal.Of(field, $"“{rest}” is not a unit that fits here.", known.Length > 0
                ? $"Use {known}." : "Give the number alone.");
        }

        var si = (figure * unit.Factor) + unit.Offset;
        if (!double.IsFinite(si))
        {
            return Refusal.Of(field, "That number is too large to mean anything.", Examples(dimension));
        }

        if (si < 0 && dimension is not (Dimension.Temperature or Dimension.Length or Dimension.Plain))
        {
            return Refusal.Of(field, $"{typed} is below nothing.", "Give zero or more.");
        }

        var tools = dimension == Dimension.Volume ? Spoons.InTools(new Litres(si), system).Text : null;
        return Worked.Of(
            new Amount(typed, si, Units.Show(si, dimension, system)
                + (unit.Shown.Split(' ') is ["US" or "imp", ..] ? $" ({unit.Shown})" : ""), tools),
            dimension.ToString(),
            Evidence.ChemistryOrPhysics,
            [new WorkingLine("what was typed", "figure × unit", $"{Say.Number(figure)} × {unit.Shown}", Units.Show(si, dimension, system),
                "SI and US customary definitions")]);
    }

    private static string Normalise(string text)
    {
        var clean = text.ToLowerInvariant().Replace('−', '-').Replace('\u00a0', ' ').Replace('\u2044', '/');
        foreach (var (sign, plain) in Fractions)
        {
            clean = clean.Replace(sign.ToString(), " " + plain);
        }

        return Spaces().Replace(clean, " ").Trim();
    }

    private static bool TakeNumber(string text, out double figure, out string rest, out TypedNumber? twoWays)
    {
        (figure, rest, twoWays) = (0, text, null);
        foreach (var pattern in new[] { Mixed(), Fraction() })
        {
            if (pattern.Match(text) is { Success: true } found)
            {
                rest = text[found.Length..].Trim();
                var part = Part(found, "whole") + (Part(found, "top") / Part(found, "bottom"));
                figure = found.Value[0] == '-' ? -part : part;
                return double.IsFinite(figure);
            }
        }

        if (TypedNumber.Head().Match(text) is { Success: true } head)
        {
            var number = TypedNumber.Of(head.Value);
            twoWays = number.Other is null ? null : number;
            rest = text[head.Length..].Trim();
            figure = number.Value ?? 0;
            return number.Sure;
        }

        // Words: "half a cup", "a quarter cup", "two cups", "a cup", "one and a half cups", "three quarters of a cup".
        var parts = text.Split(' ').ToList();
        var value = 0.0;
        var taken = 0;
        foreach (var word in parts)
        {
            var key = word is "quarters" ? "quarter" : word is "thirds" ? "third" : word is "halves" ? "half" : word;
            if (key is "and" or "of")
            {
                taken++;
                continue;
            }

            if (!Words.TryGetValue(key, out var n))
            {
                break;
            }

            var isShare = key is "half" or "quarter" or "third";
            var afterAnd = taken > 0 && parts[..taken].Contains("and");
            value = (isShare, key) switch {
                (true, _) when value >= 2 && !afterAnd => value * n,
                (true, _) when afterAnd => value + n - (parts[taken - 1] is "a" ? 1 : 0),
                (true, _) => n,
                (_, "dozen") => Math.Max(value, 1) * n,
                (_, "a" or "an") when value > 0 && !afterAnd => value,
                _ => value + n,
            };
            taken++;
        }

        figure = value;
        rest = string.Join(' ', parts.Skip(taken));
        return taken > 0 && value > 0;
    }

    private static double Part(Match found, string group) =>
        found.Groups[group] is { Success: true, Value: var digits }
            ? double.Parse(digits, NumberStyles.None, CultureInfo.InvariantCulture) : 0;

    private static string Examples(Dimension dimension) => dimension switch {
        Dimension.Volume => "Write it as 17 L, 2 gal, half a cup or 1 1/2 tbsp.",
        Dimension.Mass => "Write it as 250 g or 0.5 kg.",
        Dimension.Area => "Write it as 36 m², 1.4 ha or 400 sq ft.",
        Dimension.Length => "Write it as 0.3 m, 30 cm or 12 in.",
        Dimension.Temperature => "Write it as 18, 18 °C or 64 °F.",
        Dimension.TemperatureSpan => "Write it as 4 or 4 °C.",
        Dimension.Flow => "Write it as 6 L/min or 2 cfm.",
        Dimension.Pressure => "Write it as 20 kPa, 200 mbar or 3 psi.",
        Dimension.AreaRate => "Write it as 500 L/ha, 5 L/100 m² or 50 gal/acre.",
        Dimension.Concentration => "Write it as 0.6 or 0.6 mg/L.",
        _ => "Write a number, as 6.4.",
    };

    [GeneratedRegex(@"^[+-]?(?<whole>[0-9]{1,9})\s(?<top>[0-9]{1,9})\s?/\s?(?<bottom>[0-9]{1,9})", RegexOptions.NonBacktracking)]
    private static partial Regex Mixed();

    [GeneratedRegex(@"^[+-]?(?<top>[0-9]{1,9})\s?/\s?(?<bottom>[0-9]{1,9})", RegexOptions.NonBacktracking)]
    private static partial Regex Fraction();

    [GeneratedRegex(@"^(of\s+)?(an?\s+)?", RegexOptions.NonBacktracking)]
    private static partial Regex LeadingWords();

    [GeneratedRegex(@"\s+", RegexOptions.NonBacktracking)]
    private static partial Regex Spaces();
}
