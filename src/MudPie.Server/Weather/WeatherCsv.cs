using CsvHelper;
using MudPie.Core.Almanac;
using MudPie.Core.Workings;
using MudPie.Server.Web;

namespace MudPie.Server.Weather;

/// <summary>Reads weather by the hour from a grower's CSV: time, °C, wind, rain; cloud and humidity where there are any.</summary>
public static class WeatherCsv
{
    private const int MostRows = 2000;

    /// <summary>Hours, or what is wrong by line; nothing is guessed and nothing half read.</summary>
    public static Ruling<IReadOnlyList<WeatherHour>> Read(string? text, Func<DateTimeOffset, DateTimeOffset> local)
    {
        using var csv = CsvHead.Open(text ?? "");
        if (!csv.Read() || !csv.ReadHeader() || csv.HeaderRecord is not { Length: > 1 } headers)
        {
            return Refusal.Of("csv", "There is no line of headers with at least two columns.",
                "Begin with a line such as: time,°C,wind m/s,rain mm.");
        }

        var taken = headers.Select(TakenFor).ToArray();
        var checks = new Checks();
        foreach (var wanted in new[] { "time", "warmth", "wind", "rain" }.Where(w => !taken.Contains(w)))
        {
            checks.Add("csv", $"There is no column for {wanted}.", "It wants time, °C, wind (m/s or km/h) and rain (mm).");
        }

        var hours = new List<WeatherHour>();
        while (checks.Sound && hours.Count < MostRows && csv.Read())
        {
            Row(csv, headers, taken, local, checks, hours);
        }

        if (checks.Sound && hours.Count == 0)
        {
            checks.Add("csv", "There are headers and no rows.", "Check that the file holds something.");
        }

        return checks.Sound ? Worked.Of<IReadOnlyList<WeatherHour>>(hours, "", Evidence.MeasuredHere) : checks.Refusal;
    }

    private static void Row(CsvReader csv, string[] headers, string[] taken, Func<DateTimeOffset, DateTimeOffset> local, Checks checks,
        List<WeatherHour> hours)
    {
        var line = csv.Parser.RawRow;
        string Cell(string what) => Array.IndexOf(taken, what) is var i && i >= 0 && csv.TryGetField<string>(i, out var cell)
            ? (cell ?? "").Trim() : "";
        double Number(string what, double low, double high, double missing)
        {
            var cell = Cell(what);
            if (cell.Length == 0 && !double.IsNaN(missing))
            {
                return missing;
            }

            if (MudPie.Core.Measures.TypedNumber.Of(cell, pointIsDecimal: true, commaIsDecimal: true).Value is { } value && value >= low
                && value <= high)
            {
                return value;
            }

            checks.Add("csv", $"Line {line}: “{cell}” is no {what}.", $"Give {Say.Number(low)} to {Say.Number(high)}.");
            return 0;
        }

        if (CsvHead.Time(Cell("time"), local, hours.Count > 0 ? hours[^1].At : null) is not { } at)
        {
            checks.Add("csv", $"Line {line}: “{Cell("time")}” is no time.", "Write it as 2026-05-01 06:00.");
            return;
        }

        var kmh = headers[Array.IndexOf(taken, "wind")].Contains("km", StringComparison.OrdinalIgnoreCase);
        var wind = Number("wind", WeatherBounds.Wind.Low, WeatherBounds.Wind.High * (kmh ? 3.6 : 1), double.NaN) / (kmh ? 3.6 : 1);
        hours.Add(new WeatherHour(new DateTimeOffset(at.UtcTicks / TimeSpan.TicksPerHour * TimeSpan.TicksPerHour, TimeSpan.Zero),
            Number("warmth", WeatherBounds.Warmth.Low, WeatherBounds.Warmth.High, double.NaN), wind,
            Number("rain", WeatherBounds.Rain.Low, WeatherBounds.Rain.High, 0), Number("cloud", 0, 100, 50) / 100,
            Number("humidity", 0, 100, 70) / 100, Cell("gust").Length == 0
                ? null : Number("gust", WeatherBounds.Gust.Low, WeatherBounds.Gust.High * (GustKmh(headers, taken) ? 3.6 : 1), double.NaN)
                    / (GustKmh(headers, taken) ? 3.6 : 1),
                    Cell("leafWet").ToLowerInvariant() switch { "" => null, "0" or "no" or "dry" or "false" => false, _ => true }));
    }

    private static bool GustKmh(string[] headers, string[] taken) =>
        headers[Array.IndexOf(taken, "gust")].Contains("km", StringComparison.OrdinalIgnoreCase);

    private static string TakenFor(string header)
    {
        var h = header.ToLowerInvariant();
        return h switch {
            _ when h.Contains("time") || h.Contains("date") => "time",
            _ when h.Contains("gust") => "gust",
            _ when h.Contains("leaf") && h.Contains("wet") => "leafWet",
            _ when h.Contains("wind") => "wind",
            _ when h.Contains("rain") || h.Contains("precip") => "rain",
            _ when h.Contains("cloud") => "cloud",
            _ when h.Contains("humid") || h == "rh" => "humidity",
            _ when h.Contains("°c") || h.Contains("temp") || h is "c" or "t" => "warmth",
            _ => "not used",
        };
    }
}
