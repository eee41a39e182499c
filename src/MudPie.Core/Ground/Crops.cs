using System.Text.RegularExpressions;

namespace MudPie.Core.Ground;

/// <summary>What a crop is, as far as rules hang on it.</summary>
/// <param name="Name">Its plain name.</param>
/// <param name="Family">A calendar of <see cref="CropCalendars"/>.</param>
/// <param name="HostsMycorrhiza">False for the families that do not host arbuscular mycorrhiza (Brundrett 2009).</param>
public sealed record Crop(string Name, string Family, bool HostsMycorrhiza = true);

/// <summary>Crops by name, not by letters that happen to stand in a word: grape is not rape, and a variety is not its name.</summary>
public static partial class Crops
{
    private static readonly Dictionary<string, Crop> Known = Build();

    /// <summary>The crop that a text names: the first word, or two words, that is one; varieties behind it, in quotes or brackets, do not
    /// count. Null where none is known.</summary>
    /// <remarks>"grape, Mustard Red" is a grape; "oilseed rape" is rape; "apple Pink Lady" is an apple; "beet" and "beetroots" are
    /// beet.</remarks>
    public static Crop? Find(string? text)
    {
        var plain = Aside().Replace((text ?? "").ToLowerInvariant(), " ");
        var words = Words().Matches(plain).Select(m => m.Value).Take(40).ToList();
        for (var i = 0; i < words.Count; i++)
        {
            if (i + 1 < words.Count && Known.TryGetValue($"{words[i]} {One(words[i + 1])}", out var two))
            {
                return two;
            }

            if (Known.TryGetValue(One(words[i]), out var one))
            {
                return one;
            }
        }

        return null;
    }

    private static string One(string word) => word switch {
        _ when Known.ContainsKey(word) => word,
        _ when word.EndsWith("ies", StringComparison.Ordinal) => word[..^3] + "y",
        _ when word.EndsWith("oes", StringComparison.Ordinal) || word.EndsWith("ches", StringComparison.Ordinal)
            || word.EndsWith("shes", StringComparison.Ordinal) => word[..^2],
        _ when word.EndsWith('s') && word.Length > 3 => word[..^1],
        _ => word,
    };

    private static Dictionary<string, Crop> Build()
    {
        var known = new Dictionary<string, Crop>();
        void Add(string family, bool hosts, string names)
        {
            foreach (var name in names.Split(", "))
            {
                known[name] = new Crop(name, family, hosts);
            }
        }

        Add("root", true, "potato, carrot, parsnip, celeriac, sweet potato, yacon, jerusalem artichoke, cassava");
        Add("root", false, "beet, beetroot, sugar beet, mangel, radish, turnip, swede, rutabaga, horseradish");
        Add("leaf", true, "lettuce, endive, chicory, celery, parsley, coriander, basil, dill, lambs lettuce, salad");
        Add("leaf", false,
            "cabbage, kale, broccoli, cauliflower, sprout, brussels sprout, mustard, rocket, cress, watercress, pak choi, kohlrabi, "
                + "spinach, chard, orache, brassica, rhubarb, sorrel");
        Add("fruiting", true,
            "tomato, pepper, chilli, aubergine, cucumber, courgette, squash, pumpkin, melon, strawberry, bean, pea, broad bean, okra, "
                + "sweetcorn");
        Add("grain", true,
            "field bean, winter bean, faba bean, field pea, oat, oats, wheat, barley, rye, maize, corn, rice, sunflower, linseed, vetch, "
                + "lentil, chickpea, soya, soybean, clover, spelt, triticale");
        Add("grain", false, "rape, oilseed rape, canola, quinoa, amaranth, buckwheat, lupin, camelina");
        Add("bulb", true, "garlic, onion, shallot, leek, fennel, tulip, daffodil");
        Add("tree", true,
            "apple, pear, plum, cherry, peach, apricot, grape, vine, grapevine, currant, blackcurrant, redcurrant, gooseberry, raspberry, "
                + "blackberry, blueberry, hop, hops, olive, citrus, orange, lemon, fig, walnut, hazel, almond, kiwi");
        Add("pasture", true, "grass, pasture, meadow, ley, lawn, hay, sward, turf");
        Add("flowers", true, "dahlia, rose, chrysanthemum, zinnia, aster, sweet pea, cosmos, marigold, snapdragon, peony, lily, flower");
        Add("flowers", false, "carnation, dianthus, pinks, stock, wallflower");
        Add("seedlings", true, "module, seedling, transplant, plug, microgreen");
        return known;
    }

    [GeneratedRegex("['\"‘’“”(\\[][^'\"‘’“”)\\]]*['\"‘’“”)\\]]", RegexOptions.NonBacktracking)]
    private static partial Regex Aside();

    [GeneratedRegex("[\\p{L}]+", RegexOptions.NonBacktracking)]
    private static partial Regex Words();
}

/// <summary>A stage of a crop: from which day on, counted from sowing, planting or bud burst.</summary>
/// <param name="Id">What the plant is doing, as the rules of biostimulants see it: "start", "root", "leaf", "set", "fill" or
/// "rest".</param>
/// <param name="Name">What it is called in this crop.</param>
/// <param name="FromDay">First day.</param>
public sealed record CalendarStage(string Id, string Name, double FromDay);

/// <summary>A crop's calendar.</summary>
/// <param name="Id">Stable name.</param>
/// <param name="Name">What it is called.</param>
/// <param name="From">What its days are counted from.</param>
/// <param name="Stages">In order.</param>
/// <param name="Days">Days in all; a season of another length stretches it.</param>
/// <param name="LeavesFromDay">First day on which there are leaves to spray.</param>
public sealed record CropCalendar(string Id, string Name, string From, IReadOnlyList<CalendarStage> Stages, double Days,
    double LeavesFromDay);

/// <summary>House calendars by kind of crop. Round figures of growing guides for temperate ground; every date can be changed.</summary>
public static class CropCalendars
{
    /// <summary>All of them.</summary>
    public static readonly IReadOnlyList<CropCalendar> All =
    [
        new("root", "root crops and tubers", "sowing or planting", [new("start", "emergence", 0), new("root", "leaf growth", 21),
            new("set", "root or tuber set", 45), new("fill", "bulking", 65)], 110, 18),
        new("leaf", "leaf crops", "sowing or transplanting",
            [new("start", "settling", 0), new("root", "rosette", 12), new("leaf", "head or harvest leaves", 35)], 65, 8),
        new("fruiting", "fruiting vegetables", "transplanting", [new("start", "settling", 0), new("root", "root growth", 10),
            new("leaf", "before flower", 30), new("set", "flower and set", 50), new("fill", "filling", 75)], 120, 3),
        new("grain", "grains and pulses", "sowing", [new("start", "emergence", 0), new("root", "tillering or branching", 20),
            new("leaf", "stem growth", 60), new("set", "flower", 100), new("fill", "grain fill", 118)], 155, 12),
        new("bulb", "bulbs", "planting", [new("start", "sprouting", 0), new("root", "root and leaf growth", 30), new("set", "bulbing", 130),
            new("fill", "bulb fill", 165)], 220, 25),
        new("tree", "tree and bush fruit, vines", "bud burst", [new("start", "bud burst", 0), new("leaf", "flower", 18),
            new("set", "set", 35), new("fill", "fill", 55), new("root", "after harvest", 150)], 185, 10),
        new("pasture", "pasture", "the last grazing or cut",
            [new("start", "first leaves", 0), new("root", "regrowth", 6), new("leaf", "full sward", 18)], 32, 4),
        new("flowers", "pots and flowers", "planting", [new("start", "settling", 0), new("root", "root growth", 10),
            new("leaf", "shoots and buds", 35), new("set", "flowering", 65)], 120, 3),
        new("seedlings", "seedlings", "sowing", [new("start", "germination", 0), new("root", "seed leaves and roots", 8),
            new("leaf", "true leaves", 16)], 35, 9),
        new("other", "other crops", "sowing or transplanting", [new("start", "sowing or transplant", 0), new("root", "root growth", 12),
            new("leaf", "before flower", 42), new("set", "flower and set", 66), new("fill", "filling", 84)], 120, 10),
    ];

    /// <summary>The calendar of a crop by its name; "other crops" where it is not known.</summary>
    public static CropCalendar Of(string? crop) => Crops.Find(crop) is { } found ? All.First(c => c.Id == found.Family) : All[^1];
}
