using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Looking;

/// <summary>What was done to the ground, as typed.</summary>
public sealed record FieldAsked
{
    /// <summary>What.</summary>
    public FieldDeed? Deed { get; init; }

    /// <summary>How much water: "40 L", "12 mm"; of a tillage how deep: "15 cm".</summary>
    public string? Amount { get; init; }

    /// <summary>What was sown or planted.</summary>
    public string? Crop { get; init; }

    /// <summary>Its variety.</summary>
    public string? Variety { get; init; }

    /// <summary>What stood there ends with it.</summary>
    public bool Ends { get; init; }

    /// <summary>In the grower's own words.</summary>
    public string? Note { get; init; }
}

/// <summary>What is written down of it, on one bed or on all the ground.</summary>
/// <param name="Deed">What.</param>
/// <param name="Mm">Water, mm; null where it was none.</param>
/// <param name="Litres">Water, L; null where it was said in mm.</param>
/// <param name="DepthCm">Of a tillage; null where it was not said.</param>
/// <param name="Crop">What was sown or planted.</param>
/// <param name="Variety">Its variety.</param>
/// <param name="Ends">What stood there ends.</param>
/// <param name="Typed">The amount as typed.</param>
/// <param name="Note">The grower's own words.</param>
public sealed record FieldEntry(FieldDeed Deed, double? Mm, double? Litres, double? DepthCm, string? Crop, string? Variety, bool Ends,
    string? Typed, string? Note);

/// <summary>The one door for what is done to the ground: form, note and demo call it.</summary>
public static class FieldDeeds
{
    /// <summary>Most water in a day, mm.</summary>
    public const double MostMm = 500;

    /// <summary>Reads it.</summary>
    /// <param name="r">As typed.</param>
    /// <param name="areaM2">Of the bed; null for all the ground, where only rain falls.</param>
    /// <param name="units">The holding's.</param>
    /// <remarks>40 L on 36 m²: 1.1 mm. "12" of rain: 12 mm. Sowing names a crop and ends what stood there.</remarks>
    public static Ruling<FieldEntry> Do(FieldAsked r, double? areaM2, UnitSystem units)
    {
        var fields = new TypedFields(units);
        var deed = fields.Checks.One("deed", r.Deed, "It is not said what was done.");
        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        if (areaM2 is null && deed != FieldDeed.Rain)
        {
            fields.Checks.Add("bedIds", "No bed was chosen.", "Touch the beds on which it was done; only rain falls on all of them.");
        }

        if (r.Note is { Length: > 200 })
        {
            fields.Checks.Add("note", "That is too long.", "Up to 200 letters.");
        }

        var grows = deed is FieldDeed.Sowed or FieldDeed.Planted or FieldDeed.Cover;
        var crop = grows ? fields.Name("crop", r.Crop, "what was sown or planted") : null;
        var variety = grows && !string.IsNullOrWhiteSpace(r.Variety) ? fields.Name("variety", r.Variety, "the variety") : null;
        var (mm, litres) = deed == FieldDeed.Rain || (deed == FieldDeed.Watered && areaM2 is not null) ? Water(r.Amount, deed, areaM2,
            fields) : (null, null);
        var depth = deed == FieldDeed.Tilled ? fields.Optional("amount", r.Amount, Dimension.Length, 0.005, 1.5, "How deep: 15 cm.") : null;
        return !fields.Checks.Sound ? fields.Checks.Refusal : Worked.Of(new FieldEntry(deed, mm, litres, depth * 100, crop, variety,
            r.Ends || deed is FieldDeed.Sowed or FieldDeed.Planted, string.IsNullOrWhiteSpace(r.Amount) ? null : r.Amount.Trim(),
            string.IsNullOrWhiteSpace(r.Note) ? null : r.Note.Trim()), "", Evidence.MeasuredHere, litres is null || areaM2 is null ? []
                : [new("depth of water", "litres ÷ m²", $"{Say.Number(litres.Value)} L ÷ {Say.Number(areaM2.Value)} m²",
                    $"{Say.Number(mm!.Value, 2)} mm", "1 L on a square metre is 1 mm")]);
    }

    private static (double? Mm, double? Litres) Water(string? typed, FieldDeed deed, double? areaM2, TypedFields fields)
    {
        if (string.IsNullOrWhiteSpace(typed))
        {
            fields.Checks.Add("amount", "It is not said how much.", deed == FieldDeed.Rain ? "Give the gauge: 12, 12 mm or 0.5 in."
                : "Give litres or a depth: 40 L, 12 mm.");
            return (null, null);
        }

        if (Rainfall.Read(typed, fields.Units) is { } mm && (deed == FieldDeed.Rain || char.IsLetter(typed.TrimEnd()[^1])
            || typed.TrimEnd()[^1] == '"'))
        {
            if (mm is > 0 and <= MostMm)
            {
                return (mm, null);
            }

            fields.Checks.Add("amount", mm > 0 ? $"{Say.Number(mm)} mm is too much." : "That is nothing.",
                $"Give up to {Say.Number(MostMm)} mm.");
            return (null, null);
        }

        if (deed == FieldDeed.Rain || areaM2 is not { } area)
        {
            fields.Checks.Add("amount", $"“{(typed.Length > 30 ? typed[..30] : typed)}” is no depth of rain.",
                "Write 12, 12 mm or 0.5 in.");
            return (null, null);
        }

        var litres = fields.Quantity("amount", typed, Dimension.Volume, 0.01, area * MostMm, "Or a depth: 12 mm.");
        return (litres / area, litres);
    }

    /// <summary>"sowed oats", "watered, 40 L", "rain, 12 mm", "tilled, 15 cm deep".</summary>
    public static string Says(FieldDeed deed, (double? Mm, double? Litres, double? DepthCm) much, string? crop, string? variety,
        UnitSystem units)
    {
        var words = deed == FieldDeed.Cover ? $"cover sown: {crop}" : crop is null ? deed.Word() : $"{deed.Word()} {crop}";
        var named = variety is null ? words : $"{words}, {variety}";
        return much switch {
            ( { } mm, { } litres, _) => $"{named}, {Units.Show(litres, Dimension.Volume, units)} ({Per.Depth(mm, units)})",
            ( { } mm, null, _) => $"{named}, {Per.Depth(mm, units)}",
            (_, _, { } cm) => $"{named}, {Per.Centimetres(cm, units)} deep",
            _ => named,
        };
    }
}

/// <summary>What fell and what was given between two moments.</summary>
/// <param name="RainMm">Rain, mm; null where nothing is known of it.</param>
/// <param name="WateredMm">Watering in the book, mm.</param>
/// <param name="Sentence">"Between them 24 mm of rain and 3 mm of watering."</param>
public sealed record WaterBetweenAnswer(double? RainMm, double WateredMm, string Sentence);

/// <summary>Was it the water? Every before-and-after says what fell between.</summary>
public static class WaterBetween
{
    /// <summary>From so much on, water alone may have done it, mm.</summary>
    public const double Much = 10;

    /// <summary>Says it.</summary>
    /// <param name="rainMm">Rain between, mm; null where no gauge and no weather is known of for most of it.</param>
    /// <param name="wateredMm">Watering in the book, mm.</param>
    /// <param name="units">The holding's.</param>
    /// <remarks>24 and 3 mm: "Between them 24 mm of rain and 3 mm of watering: the water may have done some of it."</remarks>
    public static WaterBetweenAnswer Of(double? rainMm, double wateredMm, UnitSystem units)
    {
        var rain = rainMm switch { null => "rain not known", < 0.05 => "no rain", { } mm => $"{Per.Depth(mm, units)} of rain" };
        var water = wateredMm < 0.05 ? "no watering in the book" : $"{Per.Depth(wateredMm, units)} of watering";
        return new WaterBetweenAnswer(rainMm, wateredMm, $"Between them {rain}, {water}"
            + ((rainMm ?? 0) + wateredMm >= Much ? ": the water may have done some of it." : "."));
    }
}
