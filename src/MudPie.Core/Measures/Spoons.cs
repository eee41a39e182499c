using System.Globalization;
using MudPie.Core.Workings;

namespace MudPie.Core.Measures;

/// <summary>A volume in the tools that hang in the shed.</summary>
/// <param name="Text">"2 tbsp + 1 tsp".</param>
/// <param name="RoundedL">What those tools hold, in litres.</param>
/// <param name="ErrorShare">(rounded − wanted) ÷ wanted; 0.02 is 2 % over.</param>
public sealed record ToolAmount(string Text, double RoundedL, double ErrorShare)
{
    /// <summary>The tools with the error that rounding to them makes: "¼ tsp (30 % short)".</summary>
    public string WithError => ErrorShare <= -1 || RoundedL == 0 ? Text : $"{Text} ({Spoons.ErrorText(ErrorShare)})";
}

/// <summary>Rounds volumes to spoons, cups, jugs and buckets, and says what the rounding costs.</summary>
public static class Spoons
{
    private sealed record Tool(string One, string Many, double Ml);

    private static readonly Tool[] Metric =
    [
        new("bucket (10 L)", "buckets (10 L)", 10_000), new("jug (1 L)", "jugs (1 L)", 1000), new("cup", "cups", 250),
        new("½ cup", "½ cup", 125),
        new("tbsp", "tbsp", 15), new("tsp", "tsp", 5), new("½ tsp", "½ tsp", 2.5), new("¼ tsp", "¼ tsp", 1.25),
    ];

    private static readonly Tool[] Us =
    [
        new("gallon", "gallons", 3785.411784), new("quart", "quarts", 946.352946), new("cup", "cups", 236.5882365),
        new("½ cup", "½ cup", 118.29411825), new("tbsp", "tbsp", 14.78676478125), new("tsp", "tsp", 4.92892159375),
        new("½ tsp", "½ tsp", 2.464460796875), new("¼ tsp", "¼ tsp", 1.2322303984375),
    ];

    /// <summary>Fewest tools, at most three kinds, the last rounded to the nearest. Worked: 37.5 mL is "2 tbsp + 1 tsp + ½ tsp".</summary>
    /// <param name="volume">0 L or more. Below half of the smallest spoon the text says to weigh or thin it first.</param>
    /// <param name="system">Whose spoons.</param>
    public static ToolAmount InTools(Litres volume, UnitSystem system)
    {
        var tools = system.IsUs() ? Us : Metric;
        var wanted = volume.Millilitres;
        if (wanted == 0)
        {
            return new ToolAmount("none", 0, 0);
        }

        if (wanted < tools[^1].Ml / 2)
        {
            return new ToolAmount("too little for a spoon: weigh it, or thin it first", 0, -1);
        }

        var best = Enumerable.Range(1, 3).Select(kinds => Greedy(tools, wanted, kinds)).ToList();
        // Fewer kinds win when they are within 3 %.
        var chosen = best.Find(b => Math.Abs(b.ErrorShare) <= 0.03) ?? best.MinBy(b => Math.Abs(b.ErrorShare))!;
        return chosen;
    }

    private static ToolAmount Greedy(Tool[] tools, double wantedMl, int kinds)
    {
        var left = wantedMl;
        var words = new List<string>();
        for (var i = 0; i < tools.Length && words.Count < kinds; i++)
        {
            var last = words.Count == kinds - 1 || i == tools.Length - 1;
            var count = last && left / tools[i].Ml > (i == tools.Length - 1 ? 0.5 : 0.75)
                ? Math.Round(left / tools[i].Ml) : Math.Floor((left / tools[i].Ml) + 1e-9);
            if (count < 1)
            {
                continue;
            }

            words.Add(Word(tools[i], count));
            left -= count * tools[i].Ml;
        }

        if (words.Count == 0)
        {
            words.Add(Word(tools[^1], 1));
            left -= tools[^1].Ml;
        }

        var rounded = wantedMl - left;
        return new ToolAmount(string.Join(" + ", words), rounded / 1000, (rounded - wantedMl) / wantedMl);
    }

    private static string Word(Tool tool, double count) =>
        tool.One[0] is '½' or '¼' && count == 1
            ? tool.One
            : $"{count.ToString("0", CultureInfo.InvariantCulture)} {(count == 1 ? tool.One : tool.Many)}";

    /// <summary>The error in words: "exact", "2 % over", "1.5 % short".</summary>
    public static string ErrorText(double share) => Math.Abs(share) < 0.0005
        ? "exact"
        : $"{Say.Number(Math.Abs(share) * 100, 2)} % {(share > 0 ? "over" : "short")}";
}
