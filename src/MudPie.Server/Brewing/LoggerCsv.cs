using MudPie.Core.Brewing;
using MudPie.Core.Workings;
using MudPie.Server.Web;

namespace MudPie.Server.Brewing;

/// <summary>One row of a logger's file.</summary>
public sealed record LoggerRow(int Line, DateTimeOffset At, double? MgPerL, double? TemperatureC);

/// <summary>What a column was taken for: "time", "hours", "oxygen", "warmth" or "not used".</summary>
public sealed record LoggerColumn(string Header, string TakenFor);

/// <summary>What is wrong with a line.</summary>
public sealed record LoggerProblem(int Line, string Wrong, string WayOut);

/// <summary>A logger's file read, before anything is kept.</summary>
public sealed record LoggerPreview(IReadOnlyList<LoggerColumn> Columns, int Rows, IReadOnlyList<LoggerRow> First,
    IReadOnlyList<LoggerProblem> Problems);

/// <summary>Reads a logger's CSV: any of comma, semicolon or tab between cells, decimal point or comma, headers matched by their
/// words.</summary>
public static class LoggerCsv
{
    private const int MostRows = 20_000;

    /// <summary>Reads it all. Rows with faults are left out and listed; nothing is guessed.</summary>
    /// <param name="text">The file.</param>
    /// <param name="started">Start of the batch, for hours and for what lies before it.</param>
    /// <param name="now">Nothing lies after this.</param>
    /// <param name="local">A moment in the holding's zone, for times without one.</param>
    public static (LoggerPreview Preview, IReadOnlyList<LoggerRow> Rows) Read(
        string text, DateTimeOffset started, DateTimeOffset now, Func<DateTimeOffset, DateTimeOffset> local)
    {
        using var csv = CsvHead.Open(text);
        if (!csv.Read() || !csv.ReadHeader() || csv.HeaderRecord is not { Length: > 1 } headers)
        {
            return (new LoggerPreview([], 0, [],
                [new(1, "There is no line of headers with at least two columns.", "Begin with a line such as: time,mg/L,°C.")]), []);
        }

        var taken = headers.Select(TakenFor).ToArray();
        var problems = Missing(taken);
        var rows = new List<LoggerRow>();
        while (problems.Count < 50 && rows.Count < MostRows && csv.Read())
        {
            var line = csv.Parser.RawRow;
            var cells = Enumerable.Range(0, headers.Length)
                .Select(i => csv.TryGetField<string>(i, out var cell) ? cell ?? "" : "").ToArray();
            if (cells.All(string.IsNullOrWhiteSpace))
            {
                continue;
            }

            if (Row(line, cells, taken, started, now, local, rows.Count > 0 ? rows[^1].At : null, problems) is { } row)
            {
                rows.Add(row);
            }
        }

        if (rows.Count == MostRows)
        {
            problems.Add(new(rows[^1].Line, $"The file has more than {MostRows:N0} rows.", "Split it, or keep one row a minute."));
        }

        if (rows.Count == 0 && problems.Count == 0)
        {
            problems.Add(new(2, "There are headers and no rows.", "Check that the logger wrote something."));
        }

        return (new LoggerPreview([.. headers.Zip(taken, (h, t) => new LoggerColumn(h, t))], rows.Count, [.. rows.Take(5)],
            problems), rows);
    }

    /// <summary>The problems as a refusal, by line.</summary>
    public static Refusal Refuse(LoggerPreview preview) =>
        new([.. preview.Problems.Select(p => new FieldProblem($"line {p.Line}", p.Wrong, p.WayOut))]);

    private static string TakenFor(string header)
    {
        var h = header.ToLowerInvariant();
        return h.Contains("mg/l") || h.Contains("oxygen") || h.Contains("ppm") || h is "do" or "o2"
            || h.StartsWith("do ", StringComparison.Ordinal) || h.StartsWith("do(", StringComparison.Ordinal) ? "oxygen"
            : h.Contains("°c") || h.Contains("temp") || h.Contains("warm") || h is "c" or "degc" ? "warmth"
            : h is "h" or "hours" or "hour" ? "hours"
            : h.Contains("time") || h.Contains("date") || h is "at" or "when" ? "time"
            : "not used";
    }

    private static List<LoggerProblem> Missing(string[] taken)
    {
        var problems = new List<LoggerProblem>();
        if (!taken.Contains("time") && !taken.Contains("hours"))
        {
            problems.Add(new(1, "No column is a time.", "Name one “time”, or “hours” since the start."));
        }

        if (!taken.Contains("oxygen") && !taken.Contains("warmth"))
        {
            problems.Add(new(1, "No column is oxygen or warmth.", "Name one “mg/L”, and another “°C” if there is one."));
        }

        return problems;
    }

    private static LoggerRow? Row(
        int line, string[] cells, string[] taken, DateTimeOffset started, DateTimeOffset now, Func<DateTimeOffset, DateTimeOffset> local,
        DateTimeOffset? after, List<LoggerProblem> problems)
    {
        var before = problems.Count;
        DateTimeOffset? at = null;
        double? oxygen = null, warmth = null;
        for (var i = 0; i < taken.Length; i++)
        {
            switch (taken[i])
            {
                case "time" when at is null:
                    at = CsvHead.Time(cells[i], local, after);
                    break;
                case "hours" when Number(cells[i]) is { } h && Math.Abs(h) < 1000:
                    at = started.AddHours(h);
                    break;
                case "oxygen":
                    oxygen = Reading(cells[i], BrewReadings.Oxygen.High, "mg/L", line, problems);
                    break;
                case "warmth":
                    warmth = Reading(cells[i], BrewReadings.Warmth.High, "°C", line, problems);
                    break;
            }
        }

        if (at is null)
        {
            problems.Add(new(line, "Its time can't be read, or was left out when the clocks changed.",
                "Write it as 2026-05-01 06:30 (the holding's own time) or 2026-05-01T06:30Z."));
        }
        else if (at < started.AddMinutes(-5) || at > now.AddMinutes(5))
        {
            problems.Add(new(line, at > now ? "It lies in the future." : "It lies before this batch began.",
                "Leave that line out, or check the logger's clock."));
        }

        return problems.Count > before || (oxygen is null && warmth is null) ? null : new LoggerRow(line, at!.Value, oxygen, warmth);
    }

    private static double? Reading(string cell, double most, string unit, int line, List<LoggerProblem> problems)
    {
        if (cell.Length == 0 || cell is "NA" or "-")
        {
            return null;
        }

        if (Number(cell) is not { } value || value < 0 || value > most)
        {
            problems.Add(new(line, $"“{(cell.Length > 20 ? cell[..20] : cell)}” is no {unit}.",
                $"Give 0 to {most:0} {unit}, or leave the cell empty."));
            return null;
        }

        return value;
    }

    private static double? Number(string cell) =>
        // nothing here goes to a thousand: a comma can only be decimal
        Core.Measures.TypedNumber.Of(cell, pointIsDecimal: true, commaIsDecimal: true).Value;
}
