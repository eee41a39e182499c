using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Core.Workings;

namespace MudPie.Core.Sheets;

/// <summary>What there is to put on, as it was typed or lies on the shelf.</summary>
internal static class SheetInputs
{
    /// <summary>An input as it was read.</summary>
    internal sealed record InputRead(int? Id, string Name, CorrectionInput Ask, double KgPerL, string Holds, string? Label);

    /// <summary>Inputs of the shelf, or typed, with what they hold and cost.</summary>
    public static List<InputRead> Read(SheetAsked r, IReadOnlyList<ShelfInput> shelf, TypedFields fields)
    {
        var read = new List<InputRead>();
        if (r.Inputs.Count > 60)
        {
            fields.Checks.Add("inputs", "That is more than sixty inputs.", "Choose from up to sixty.");
        }

        for (var i = 0; i < Math.Min(r.Inputs.Count, 60); i++)
        {
            var (asked, at) = (r.Inputs[i], $"inputs[{i}]");
            var on = asked.InputId is { } id ? shelf.FirstOrDefault(s => s.Id == id) : null;
            if (asked.InputId is not null && on is null)
            {
                fields.Checks.Add(at, "That is not on the shelf any more.", "Choose another, or take it out.");
                continue;
            }

            var name = on?.Name ?? fields.Name($"{at}.name", asked.Name, "the input");
            if (read.Any(x => x.Name.Equals(name, StringComparison.OrdinalIgnoreCase)))
            {
                fields.Checks.Add($"{at}.name", $"“{name}” stands twice.", "Take one of them out.");
                continue;
            }

            read.Add(One((asked, on, name), r.For == SheetOf.Mix, at, fields));
        }

        return read;
    }

    private static InputRead One((SheetInputAsked Asked, ShelfInput? On, string Name) input, bool mix, string at, TypedFields fields)
    {
        var (asked, on, name) = input;
        var usual = InputContents.For(name);
        var label = on is { N: not null } or { P2O5: not null } or { K2O: not null }
            && (on.N ?? 0) + (on.P2O5 ?? 0) + (on.K2O ?? 0) > 0 ? on : null;
        var holds = new Dictionary<string, double>(usual?.Holds ?? new Dictionary<string, double>());
        if (label is not null)
        {
            (holds["N"], holds["P"], holds["K"]) = (label.N ?? 0, (label.P2O5 ?? 0) * Nutrients.Oxides["p2o5"].Share,
                (label.K2O ?? 0) * Nutrients.Oxides["k2o"].Share);
        }

        IReadOnlyDictionary<string, double>? Typed(string field, string? typed)
        {
            var of = string.IsNullOrWhiteSpace(typed) ? null : InputContents.Read(typed);
            if (of is null && !string.IsNullOrWhiteSpace(typed))
            {
                fields.Checks.Add($"{at}.{field}", $"“{typed.Trim()}” is not understood.",
                    "Per cents by weight: Ca 22, S 17; oxides as P2O5 12.");
            }

            return of;
        }

        var own = Typed("holds", asked.Holds);
        var first = Typed("firstYear", asked.FirstYear) ?? usual?.FirstYear ?? new Dictionary<string, double>();
        var content = own ?? holds;
        if (content.Count == 0 || content.Values.All(v => v <= 0))
        {
            fields.Checks.Add($"{at}.holds", $"Nothing says what {name} holds.", "Give per cents by weight, from its label: N 13, S 1.5.");
        }

        var price = string.IsNullOrWhiteSpace(asked.Price) ? on?.PricePerKg
            : fields.Quantity($"{at}.price", asked.Price, Dimension.Plain, 0, 1_000_000,
                "What a kilogram costs; 0 where it costs nothing.");
        if (price is null)
        {
            fields.Checks.Add($"{at}.price", $"Nothing says what {name} costs.",
                "Without a price the cheapest can’t be told: give one, or 0.");
        }

        // A gram a litre of mix is 10,000 kg in a layer a metre deep; a litre bears a thousandth of what a hectare does, in grams.
        var most = string.IsNullOrWhiteSpace(asked.Most) ? usual?.MostKgPerHa * (mix ? 10_000 / 1000.0 : 1)
            : fields.Quantity($"{at}.most", asked.Most, Dimension.Plain, 0, 1_000_000, mix ? "g a litre." : "kg a hectare.") * (mix
                ? 10_000 : 1);
        return new InputRead(on?.Id, name, new CorrectionInput {
            Name = name, PricePerKg = price ?? 0, CapKgPerHa = most, Content = content, Release = first.ToDictionary(f => f.Key, f =>
                f.Value),
        }, on?.KgPerL ?? usual?.KgPerL ?? 1, InputContents.Write(content), own is null && label is not null
            ? $"{Percent(label.N)}-{Percent(label.P2O5)}-{Percent(label.K2O)} (N-P₂O₅-K₂O)" : null);
    }

    private static string Percent(double? share) => Say.Number((share ?? 0) * 100);

    /// <summary>The lab’s advice, priced where an input of that name was offered.</summary>
    public static List<AdviceRead> Advice(SheetAsked r, List<InputRead> inputs, TypedFields fields)
    {
        var advice = new List<AdviceRead>();
        for (var i = 0; i < Math.Min(r.Advice.Count, 20); i++)
        {
            if (string.IsNullOrWhiteSpace(r.Advice[i].Name) && string.IsNullOrWhiteSpace(r.Advice[i].Amount))
            {
                continue;
            }

            var name = fields.Name($"advice[{i}].name", r.Advice[i].Name, "it");
            var kg = fields.Quantity($"advice[{i}].amount", r.Advice[i].Amount, Dimension.Plain, 0, 1_000_000, r.For == SheetOf.Mix
                ? "g a litre."
                : "kg a hectare.") * (r.For == SheetOf.Mix ? 10_000 : 1);
            var known = inputs.FirstOrDefault(x => x.Name.Contains(name, StringComparison.OrdinalIgnoreCase)
                || name.Contains(x.Name, StringComparison.OrdinalIgnoreCase));
            advice.Add(new AdviceRead(name, kg, known is null ? null : kg * known.Ask.PricePerKg!.Value));
        }

        return advice;
    }
}
