using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>Where practitioners disagree over a brew, with what each would have given for this one.</summary>
internal static class PlanForks
{
    /// <summary>12 h at 28 °C and above to 36 h at 12 °C and below, evenly between.</summary>
    public static double HoursByWarmth(double c) => Math.Clamp(36 - ((c - 12) * 1.5), 12, 36);

    public static Fork RootFork(string chosen) => new(
        "root-brew",
        "Tea or extract to the root?",
        [new("extract", "only extract", "an extract: it soaks in"),
            new("either", "either will do", "a tea: more cells, fewer of them deep")],
        "extract",
        chosen,
        "Grown cells are sticky and stay in the top centimetres; what was only washed off goes as deep as the water.",
        Evidence.PractitionersRule,
        "Whether it is brewed at all, and so the hours, the air and the risk.");

    public static Fork AirFork(PlanAir air, double litres) => new(
        "air",
        "How much air?",
        [
            new("oxygen", "enough to keep 6 mg/L, by the forecast", air.LeastLpm is { } l
                ? $"{Say.Number(l)} L/min" : "no air will do here: less food, or cooler"),
            new("light", "light, 0.25 L/min per litre", $"{Say.Number(0.25 * litres)} L/min"),
            new("heavy", "heavy, 1 L/min per litre", $"{Say.Number(litres)} L/min"),
        ],
        "oxygen",
        "oxygen",
        "Neither rule knows the food, the warmth or the depth. The oxygen that is left does.",
        Evidence.PractitionersRule,
        "Which pump will do.");

    public static Fork TimeFork(BrewRunAnswer run, BrewQuestion brew, string chosen) => new(
        "brew-time",
        "How long is it brewed?",
        [
            new("forecast", "until the forecast's ready time, 36 h at most", run.ReadyAtH is { } r
                ? (r <= FitToUse.OldestH ? Say.Hours(r) : $"not ready by 36 h ({Say.Hours(r)})") : "never ready"),
            new("fixed", "24 h", "24 h"),
            new("warmth", "by warmth, 12 h to 36 h", Say.Hours(HoursByWarmth(brew.TemperatureC ?? 20))),
        ],
        "forecast",
        chosen,
        "A day is too long in August and too short in April.",
        Evidence.PractitionersRule,
        "When the source must go in.");

    public static Fork FoodFork(string chosen, PlanFoods.Fed fed) => new(
        "food",
        "How much food?",
        [
            new("carry", "the most for which nine brews in ten stay above 6", fed.Edge is { } edge
                ? $"{Say.Number(fed.Share * 100, 2)} % of the usual recipe; the edge is "
                    + $"at {(edge < 1 ? $"{Say.Number(edge * 100, 2)} %" : "100 % or more")}" : "worked out from the air"),
            new("rich", "feed richly", "150 % of the usual recipe"),
            new("light", "feed lightly", "40 % of the usual recipe"),
            new("none", "none", "source alone"),
        ],
        "carry",
        chosen,
        "Food that the air cannot keep up with is how brews die.",
        Evidence.PractitionersRule,
        "Foods, oxygen, and the hours to ready.");

    public static Fork OrderFork(string chosen) => new(
        "order",
        "Source or food first?",
        [new("source-first", "source, then foods", "rub the bag until the water is dark, then feed"),
            new("food-first", "foods, then the bag", "feed, then hang the bag")],
        "source-first",
        chosen,
        "A fed bag is unpleasant to work by hand. The brew is the same.",
        Evidence.PractitionersRule,
        "The order of two steps.");
}
