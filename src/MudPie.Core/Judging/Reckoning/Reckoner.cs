using MudPie.Core.Workings;

namespace MudPie.Core.Judging.Reckoning;

/// <summary>What a reckoning says in a sentence.</summary>
public static class Reckoner
{
    /// <summary>Money as a reckoning says it: to three figures, and never finer than a hundredth.</summary>
    /// <remarks>4798.6: "4799". 12.345: "12.3". 0.153: "0.15". 0.0001: "0".</remarks>
    public static string Money(double x) => Math.Abs(x) < 0.005 ? Say.Money(0, null)
        : Math.Abs(x) < 1 ? Say.Money(x) : Say.Money(x, null);

    /// <summary>How much of what was put in has been shown to pay.</summary>
    /// <param name="paid">Put in where the word is keep, money and hours together.</param>
    /// <param name="all">Put in in all.</param>
    /// <remarks>33 of 100: "A third of it has been shown to pay." Nothing of anything: "None of it".</remarks>
    public static string ShareSays(double paid, double all)
    {
        var share = all > 0 ? paid / all : 0;
        var words = share switch {
            <= 0.005 => "None of it",
            < 0.07 => "Very little of it",
            < 0.14 => "A tenth of it",
            < 0.225 => "A fifth of it",
            < 0.29 => "A quarter of it",
            < 0.42 => "A third of it",
            < 0.58 => "Half of it",
            < 0.71 => "Two thirds of it",
            < 0.8 => "Three quarters of it",
            < 0.995 => "Most of it",
            _ => "All of it",
        };
        return $"{words} has been shown to pay.";
    }

    /// <summary>What is known of the dearest thing.</summary>
    /// <param name="rows">Dearest first.</param>
    public static string Dearest(IReadOnlyList<(string Name, WorthRow Worth)> rows)
    {
        if (rows.Count == 0)
        {
            return "";
        }

        var (name, worth) = rows[0];
        return worth.Rung switch {
            Rung.Nobody => $"Nothing is known yet of the dearest thing you do: {name}.",
            Rung.Published => $"Of the dearest thing you do, {name}, only what others published is known.",
            _ => worth.Word == ReckonWord.Keep ? $"The dearest thing you do, {name}, has been shown to pay."
                : worth.Word == ReckonWord.Drop ? $"The dearest thing you do, {name}, has been shown not to pay."
                : $"Of the dearest thing you do, {name}, it can’t be told yet.",
        };
    }

    /// <summary>The season of a day where it lies.</summary>
    /// <param name="on">The day.</param>
    /// <param name="latitude">Degrees, north positive.</param>
    /// <remarks>15 Jan 2026 at 52° north: "winter 2025/26"; at 36° south: "summer 2025/26".</remarks>
    public static string Season(DateOnly on, double latitude)
    {
        var quarter = on.Month % 12 / 3; // 0 from December
        var name = new[] { "winter", "spring", "summer", "autumn" }[latitude < 0 ? (quarter + 2) % 4 : quarter];
        var first = on.Month == 12 ? on.Year : on.Year - 1;
        return quarter == 0 ? $"{name} {first}/{(first + 1) % 100:00}" : $"{name} {on.Year}";
    }
}
