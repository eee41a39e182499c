using System.Globalization;

namespace MudPie.Core.Workings;

/// <summary>Figures as people read them: three significant digits, no exponents, a thin word for the unit.</summary>
public static class Say
{
    /// <summary>A number to <paramref name="digits"/> significant digits: 0.0754, 5.72, 1240.</summary>
    public static string Number(double value, int digits = 3)
    {
        if (value == 0 || !double.IsFinite(value))
        {
            return value == 0 ? "0" : "not a number";
        }

        var magnitude = (int)Math.Floor(Math.Log10(Math.Abs(value)));
        var decimals = Math.Clamp(digits - 1 - magnitude, 0, 12);
        var rounded = Math.Round(value, decimals, MidpointRounding.AwayFromZero);
        return rounded == 0 ? "0" : rounded.ToString("0.############", CultureInfo.InvariantCulture);
    }

    /// <summary>A number with a fixed count of decimals.</summary>
    public static string Fixed(double value, int decimals)
    {
        var text = value.ToString("F" + decimals.ToString(CultureInfo.InvariantCulture), CultureInfo.InvariantCulture);
        return text[0] == '-' && text.AsSpan(1).IndexOfAnyExcept('0', '.') < 0 ? text[1..] : text; // never −0.0
    }

    /// <summary>"07:10", or "07:10 on 3 May" where it is another day than now in the holding's zone.</summary>
    /// <param name="at">The moment.</param>
    /// <param name="now">The moment that it is said.</param>
    /// <param name="local">A moment in the holding's zone.</param>
    public static string Clock(DateTimeOffset at, DateTimeOffset now, Func<DateTimeOffset, DateTimeOffset> local) =>
        local(at).Date == local(now).Date ? Time(local(at)) : $"{Time(local(at))} on {Day(local(at))}";

    /// <summary>An hour of the clock as the holding writes it: "07:10", or "7:10 am" where <see cref="Writing"/> says so.</summary>
    public static string Time(DateTimeOffset there) => Writing.Hours12
        ? there.ToString("h:mm ", CultureInfo.InvariantCulture) + (there.Hour < 12 ? "am" : "pm")
        : there.ToString("HH:mm", CultureInfo.InvariantCulture);

    /// <summary>A day of the week and an hour: "Wed 07:10".</summary>
    public static string Weekday(DateTimeOffset there) => $"{there.ToString("ddd", CultureInfo.InvariantCulture)} {Time(there)}";

    /// <summary>A day of this year as the holding writes it: "3 May", or "May 3".</summary>
    public static string Day(DateOnly on) => on.ToString(Writing.MonthFirst ? "MMM d" : "d MMM", CultureInfo.InvariantCulture);

    /// <inheritdoc cref="Day(DateOnly)"/>
    public static string Day(DateTimeOffset there) => Day(DateOnly.FromDateTime(there.DateTime));

    /// <summary>A day of any year: "3 May 2026", or "May 3 2026".</summary>
    public static string Date(DateOnly on) => on.ToString(Writing.MonthFirst ? "MMM d yyyy" : "d MMM yyyy", CultureInfo.InvariantCulture);

    /// <inheritdoc cref="Date(DateOnly)"/>
    public static string Date(DateTimeOffset there) => Date(DateOnly.FromDateTime(there.DateTime));

    /// <summary>Money in the holding's own word: "12.50", "£12.50", "12.50 crowns"; what is not known to the cent is said to three
    /// figures.</summary>
    public static string Money(double amount, int? decimals = 2)
    {
        var figure = decimals is { } d ? Fixed(Math.Abs(amount), d) : Number(Math.Abs(amount));
        var minus = amount < 0 && figure.AsSpan().IndexOfAnyExcept('0', '.') >= 0 ? "−" : "";
        return Writing.Currency is not { Length: > 0 } word ? minus + figure
            : char.IsLetter(word[^1]) ? $"{minus}{figure} {word}" : $"{minus}{word}{figure}";
    }


    /// <summary>A unit with the space before it that it wants: " mg/L", "%".</summary>
    public static string Unit(string unit) => unit.Length == 0 ? "" : " " + unit;

    /// <summary>Minutes as "45 min", "3 h", "3 h 20 min".</summary>
    public static string Minutes(double minutes)
    {
        var whole = (int)Math.Round(Math.Min(minutes, 1e8), MidpointRounding.AwayFromZero);
        return (whole / 60, whole % 60) switch {
            (0, var m) => $"{m} min",
            (var h, 0) => $"{h} h",
            var (h, m) => $"{h} h {m:00} min",
        };
    }

    /// <summary>Hours as <see cref="Minutes"/>.</summary>
    public static string Hours(double hours) => Minutes(hours * 60);

    /// <summary>Days gone by, as people say them: "a minute ago", "5 h ago", "3 days ago".</summary>
    public static string Ago(double days) => (days * 24 * 60) switch {
        < 2 => "just now",
        < 60 and var m => $"{m:0} min ago",
        < 48 * 60 and var m => $"{m / 60:0} h ago",
        var m => $"{m / 60 / 24:0} days ago",
    };

    /// <summary>So many of a thing: "1 reading", "3 readings", "2 patches".</summary>
    public static string Count(int n, string one, string? many = null) => $"{n} {(n == 1 ? one : many ?? one + "s")}";

    /// <summary>"a", "a and b", "a, b and c".</summary>
    public static string List(IReadOnlyList<string> items) => Joined(items, "and");

    /// <summary>One of a few to choose from: "a", "a or b", "a, b or c".</summary>
    public static string Any(IReadOnlyList<string> items) => Joined(items, "or");

    private static string Joined(IReadOnlyList<string> items, string last) => items.Count switch {
        0 => "",
        1 => items[0],
        _ => string.Join(", ", items.Take(items.Count - 1)) + $" {last} " + items[^1],
    };
}
