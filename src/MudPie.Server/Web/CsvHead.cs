using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;

namespace MudPie.Server.Web;

/// <summary>How a grower's CSV is opened, whatever program wrote it: a logger's, a trial's, the weather's.</summary>
public static class CsvHead
{
    private static readonly string[] Formats =
    [
        "yyyy-MM-dd HH:mm", "yyyy-MM-dd HH:mm:ss", "yyyy-MM-ddTHH:mm", "yyyy-MM-ddTHH:mm:ss", "yyyy/MM/dd HH:mm", "yyyy/MM/dd HH:mm:ss",
        "dd.MM.yyyy HH:mm", "dd.MM.yyyy HH:mm:ss",
    ];

    /// <summary>A reader before the line of headers: comma, semicolon or tab, as the first line has most of; with or without a mark of the
    /// byte order.</summary>
    /// <param name="text">The file.</param>
    /// <param name="over">Lines by which it is told: more than one where an address may stand above the table.</param>
    public static CsvReader Open(string text, int over = 1)
    {
        var body = text.TrimStart('\uFEFF');
        var first = string.Join('\n', body.Split('\n', over + 1).Take(over));
        var delimiter = new[] { ";", "\t", "," }.MaxBy(d => first.Split(d).Length)!;
        return new(new StringReader(body), new CsvConfiguration(CultureInfo.InvariantCulture) {
            Delimiter = delimiter, BadDataFound = null,
            MissingFieldFound = null, TrimOptions = TrimOptions.Trim
        });
    }

    /// <summary>A time as loggers and weather files write it, in the holding's zone where it names none; null where it is none.</summary>
    /// <param name="cell">As it stands in the file.</param>
    /// <param name="local">A moment in the holding's zone.</param>
    /// <param name="after">The row before; null where there is none.</param>
    public static DateTimeOffset? Time(string cell, Func<DateTimeOffset, DateTimeOffset> local, DateTimeOffset? after = null)
    {
        if (DateTime.TryParseExact(cell, Formats, CultureInfo.InvariantCulture, DateTimeStyles.None, out var there))
        {
            var moments = LocalTimes.Of(there, local);
            // In the hour that comes twice, the one that goes on from the row before.
            return moments.Cast<DateTimeOffset?>().FirstOrDefault(m => after is null || m > after) ?? moments.Cast<DateTimeOffset?>()
                .LastOrDefault();
        }

        return cell.Length > 16 && DateTimeOffset.TryParse(cell, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal, out var at)
            ? at : null;
    }
}
