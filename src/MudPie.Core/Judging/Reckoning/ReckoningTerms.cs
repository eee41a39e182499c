namespace MudPie.Core.Judging.Reckoning;

/// <summary>What the grower says once for the whole reckoning, in one place.</summary>
public sealed record ReckoningTerms
{
    /// <summary>Most minutes of a step.</summary>
    public const double MostMinutes = 600;

    /// <summary>Hours a week there are for all of this where nobody said, h.</summary>
    public const double UsualHoursAWeek = 6;

    /// <summary>Own usual minutes by step; the house's for the others.</summary>
    public IReadOnlyDictionary<string, double> Minutes { get; init; } = new Dictionary<string, double>();

    /// <summary>A cubic metre of water, money, 0 or more; null where not known.</summary>
    public double? WaterPerM3 { get; init; }

    /// <summary>Driving to a job and back, money, 0 or more; null where it is not counted.</summary>
    public double? Trip { get; init; }

    /// <summary>What a kilogram sells for, money, by crop; a crop that is not there has no price.</summary>
    public IReadOnlyDictionary<string, double> Crops { get; init; } = new Dictionary<string, double>();

    /// <summary>Hours a week that there are; null for the usual.</summary>
    public double? HoursAWeek { get; init; }

    /// <summary>What a kilogram of a crop sells for; null where not known.</summary>
    /// <remarks>Said for "garlic": "Garlic, winter" has it too.</remarks>
    public double? Price(string crop) => Crops.TryGetValue(Practices.CropKey(crop), out var price) ? price : null;
}

/// <summary>How practices are told apart: a thing put out, and the crop that it was put out on.</summary>
public static class Practices
{
    private static readonly string[] When = ["spring ", "summer ", "autumn ", "winter ", "early ", "late ", "maincrop "];

    /// <summary>What a crop goes by: its name in short and in small letters, without when it is grown.</summary>
    /// <remarks>"Garlic, winter", "winter garlic" and "garlic": "garlic". "spring barley": "barley". "dahlias for cutting":
    /// "dahlias".</remarks>
    public static string CropKey(string crop)
    {
        var key = CropName(crop).ToLowerInvariant();
        return When.FirstOrDefault(w => key.StartsWith(w, StringComparison.Ordinal) && key.Length > w.Length) is { } when
            ? key[when.Length..].Trim() : key;
    }

    /// <summary>Whether a text has a word that begins so.</summary>
    /// <remarks>"liquid seaweed" has "seaweed"; "plants" has no "ants".</remarks>
    public static bool Begins(string text, string word)
    {
        for (var at = text.IndexOf(word, StringComparison.OrdinalIgnoreCase); at >= 0;
            at = text.IndexOf(word, at + 1, StringComparison.OrdinalIgnoreCase))
        {
            if (at == 0 || !char.IsLetter(text[at - 1]))
            {
                return true;
            }
        }

        return false;
    }

    /// <summary>A practice's stable name.</summary>
    /// <remarks>"input-7" and "Garlic, winter": "input-7.garlic".</remarks>
    public static string Key(string thing, string crop) => $"{thing}.{CropKey(crop)}";

    /// <summary>A crop in short: without how many there are of it, and in what.</summary>
    /// <remarks>"hops, 120 hills": "hops". "dahlias in 12 L pots": "dahlias". "oats and vetch" stays.</remarks>
    public static string CropName(string crop)
    {
        var end = new[] { ",", "(", " in ", " for " }.Select(s => crop.IndexOf(s, StringComparison.Ordinal)).Where(i => i > 0)
            .DefaultIfEmpty(crop.Length).Min();
        return crop[..end].Trim();
    }

    /// <summary>In words.</summary>
    public static string Name(string thing, string crop) => crop.Length == 0 ? thing : $"{thing} on {CropName(crop)}";

    /// <summary>The words by which a brew is known in a trial's treatments.</summary>
    public static IReadOnlyList<string> Words(Making making) => making switch {
        Making.Tea => ["tea", "brew"],
        Making.Extract or Making.Bubbled => ["extract"],
        _ => ["steep"],
    };

    /// <summary>What is said of a brew that was put out.</summary>
    public static string Said(Making making) => making switch {
        Making.Tea => "tea",
        Making.Extract => "extract",
        Making.Bubbled => "bubbled extract",
        _ => "steeped feed",
    };
}
