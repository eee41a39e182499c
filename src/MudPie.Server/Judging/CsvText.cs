using System.Globalization;
using CsvHelper;

namespace MudPie.Server.Judging;

/// <summary>Writes a tidy CSV as R reads it: a header, decimal points, NA for nothing.</summary>
public static class CsvText
{
    /// <summary>The table as text.</summary>
    public static string Of(IEnumerable<string> headers, IEnumerable<IReadOnlyList<string?>> rows)
    {
        using var text = new StringWriter();
        using (var csv = new CsvWriter(text,
            new CsvHelper.Configuration.CsvConfiguration(CultureInfo.InvariantCulture) { ShouldQuote = Book.SafeCells.Quotes }))
        {
            foreach (var h in headers)
            {
                csv.WriteField(Book.SafeCells.Marked(h));
            }

            csv.NextRecord();
            foreach (var row in rows)
            {
                foreach (var cell in row)
                {
                    csv.WriteField(cell is null or "" ? "NA" : Book.SafeCells.Marked(cell));
                }

                csv.NextRecord();
            }
        }

        return text.ToString();
    }

    /// <summary>A figure with all its digits.</summary>
    public static string Number(double v) => v.ToString("R", CultureInfo.InvariantCulture);

    /// <summary>A figure, or nothing.</summary>
    public static string? Number(double? v) => v is { } x ? Number(x) : null;
}
