using System.Globalization;

namespace MudPie.Core.Workings;

/// <summary>How a holding writes days, hours and money. It goes with the culture of the one who asks, as figures do, so that every
/// sentence writes them alike; where nothing is set, day first, to twenty-four hours, and money without a word.</summary>
public static class Writing
{
    private const string DayOfMonthLast = "MMM d", ToTwelve = "h:mm tt", NoCurrency = "¤";

    /// <summary>Longest word for money, letters.</summary>
    public const int LongestCurrency = 12;

    /// <summary>A culture that writes so, and figures as everywhere in Mud Pie.</summary>
    /// <param name="monthFirst">"Jun 10".</param>
    /// <param name="hours12">"7:30 pm".</param>
    /// <param name="currency">A sign, which goes before the figure, or a word, which goes after it; empty for none.</param>
    /// <remarks>Of(true, true, "$"): "Jun 10", "7:30 pm", "$12.50".
    /// Of(false, false, "crowns"): "10 Jun", "19:30", "12.50 crowns".</remarks>
    public static CultureInfo Of(bool monthFirst, bool hours12, string currency)
    {
        var culture = (CultureInfo)CultureInfo.InvariantCulture.Clone();
        if (monthFirst)
        {
            culture.DateTimeFormat.MonthDayPattern = DayOfMonthLast;
        }

        if (hours12)
        {
            culture.DateTimeFormat.ShortTimePattern = ToTwelve;
        }

        culture.NumberFormat.CurrencySymbol = currency.Length > 0 ? currency : NoCurrency;
        return culture;
    }

    internal static bool MonthFirst => CultureInfo.CurrentCulture.DateTimeFormat.MonthDayPattern == DayOfMonthLast;

    internal static bool Hours12 => CultureInfo.CurrentCulture.DateTimeFormat.ShortTimePattern == ToTwelve;

    internal static string Currency => CultureInfo.CurrentCulture.NumberFormat.CurrencySymbol is var s && s == NoCurrency ? "" : s;
}
