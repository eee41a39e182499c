using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>Something to be written to a brew's log, already read: a figure in SI, a word, and what was typed.</summary>
/// <param name="Kind">What it is about.</param>
/// <param name="Number">mg/L, °C, mL or L/min by its kind; null where it is a word.</param>
/// <param name="Text">A smell, a foam, a food, "clear" or "found", or a note; null where it is a figure.</param>
/// <param name="Typed">What the grower wrote; null where nobody typed it.</param>
public sealed record BrewSaid(LogKind Kind, double? Number = null, string? Text = null, string? Typed = null)
{
    /// <summary>Reads what was typed for a kind of entry. Worked: "64 F" of warmth is 17.8 °C, and stays "64 F" in the log.</summary>
    /// <param name="kind">What it is about; a kind that is not logged by hand is refused.</param>
    /// <param name="typed">"7.2", "64 F", "earthy", "30 ml molasses".</param>
    /// <param name="units">Whose units a bare figure is in.</param>
    public static Ruling<BrewSaid> Read(LogKind kind, string? typed, UnitSystem units)
    {
        var fields = new TypedFields(units);
        var said = Of(fields, kind, typed) with { Typed = typed?.Trim() };
        return fields.Checks.Sound ? Worked.Of(said, "", Evidence.MeasuredHere) : fields.Checks.Refusal;
    }

    /// <summary>A figure that was read already: by a note, a logger, an instrument. The same limits hold.</summary>
    /// <param name="kind">Oxygen, warmth or strip.</param>
    /// <param name="number">In SI; NaN and what lies outside <see cref="BrewReadings"/> is refused.</param>
    /// <param name="typed">What the grower wrote, where somebody did.</param>
    public static Ruling<BrewSaid> Of(LogKind kind, double number, string? typed = null)
    {
        var checks = new Checks();
        var (limits, unit) = BrewReadings.Of(kind);
        checks.Range("value", number, limits.Low, limits.High, unit);
        return checks.Sound ? Worked.Of(new BrewSaid(kind, number, null, typed), unit, Evidence.MeasuredHere) : checks.Refusal;
    }

    /// <summary>A word that was read already.</summary>
    public static Ruling<BrewSaid> Of(LogKind kind, string? text) => kind is LogKind.Note or LogKind.Smell or LogKind.Foam
        ? Read(kind, text, UnitSystem.Metric) : Refusal.Of("kind", $"{kind} is not logged in words.", "Log a smell, the foam or a note.");

    private static BrewSaid Of(TypedFields fields, LogKind kind, string? typed) => kind switch {
        LogKind.Oxygen => new(kind, fields.Quantity("value", typed, Dimension.Concentration, BrewReadings.Oxygen.Low,
            BrewReadings.Oxygen.High, "Water holds 15 mg/L at freezing and less when warmer.")),
        LogKind.Warmth => new(kind, fields.Quantity("value", typed, Dimension.Temperature, BrewReadings.Warmth.Low,
            BrewReadings.Warmth.High)),
        LogKind.Strip => new(kind, fields.Quantity("value", typed, Dimension.Concentration, BrewReadings.Strip.Low,
            BrewReadings.Strip.High, "Above 10 a strip is not to be trusted.")),
        LogKind.AirTo => new(kind, fields.Quantity("value", typed, Dimension.Flow, 0, 20_000)),
        LogKind.Smell => new(kind, null, fields.OneOf("value", typed, [.. Words.All<Smell>()])),
        LogKind.Foam => new(kind, null, fields.OneOf("value", typed, [.. Words.All<Foam>()])),
        LogKind.Pathogen => new(kind, null, fields.OneOf("value", typed, "clear", "found")),
        LogKind.Note => Note(fields, typed),
        LogKind.Fed => Fed(fields, typed),
        _ => Not(fields, kind),
    };

    private static BrewSaid Note(TypedFields fields, string? typed)
    {
        var text = (typed ?? "").Trim();
        if (text.Length is 0 or > 1000)
        {
            fields.Checks.Add("value", "There is nothing in the note.", "Write up to 1,000 letters.");
        }

        return new(LogKind.Note, null, text);
    }

    /// <summary>"30 ml molasses": an amount, then a food.</summary>
    private static BrewSaid Fed(TypedFields fields, string? typed)
    {
        var words = (typed ?? "").Trim().Split(' ', StringSplitOptions.RemoveEmptyEntries);
        for (var i = 1; i < words.Length; i++)
        {
            if (Ingredients.Food(string.Join(' ', words[i..])) is { } food)
            {
                var litres = fields.Quantity("value", string.Join(' ', words[..i].Where(w => w != "of")), Dimension.Volume, 0.0001, 50);
                return new(LogKind.Fed, litres * 1000, food.Kind);
            }
        }

        fields.Checks.Add("value", "There is no food in that.", "Say how much and of what: 30 ml molasses, 1 tbsp fish.");
        return new(LogKind.Fed);
    }

    private static BrewSaid Not(TypedFields fields, LogKind kind)
    {
        fields.Checks.Add("kind", $"{kind} is not logged this way.",
            "Log oxygen, warmth, smell, foam, strip, feeding, air, a test or a note.");
        return new(kind);
    }
}
