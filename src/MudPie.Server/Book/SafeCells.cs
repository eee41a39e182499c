using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using CsvHelper.TypeConversion;

namespace MudPie.Server.Book;

/// <summary>Text cells of a CSV that a spreadsheet would take for a formula: marked with an apostrophe on the way out, and plain again on
/// the way in.</summary>
/// <remarks>"=1+1" goes out as "'=1+1", "-5" as it is since it is a number, "'=x" as "''=x"; each comes back as it was.</remarks>
public sealed class SafeCells : StringConverter
{
    private const char Mark = '\'';

    private static bool Acts(char c) => c is '=' or '+' or '-' or '@' or '\t' or '\r' or '\n';

    /// <summary>The cell as it goes out.</summary>
    public static string Marked(string text)
    {
        var acts = text.Length > 0 && Acts(text[0])
            && !double.TryParse(text, NumberStyles.AllowLeadingSign | NumberStyles.AllowDecimalPoint | NumberStyles.AllowExponent,
                CultureInfo.InvariantCulture, out _);
        return acts || (text.Length > 1 && text[0] == Mark && (Acts(text[1]) || text[1] == Mark)) ? Mark + text : text;
    }

    /// <summary>The text of a cell that came in.</summary>
    public static string Plain(string cell) => cell.Length > 1 && cell[0] == Mark && (Acts(cell[1]) || cell[1] == Mark) ? cell[1..] : cell;

    /// <summary>Quotes whatever holds a carriage return too: alone it ends a line for some readers.</summary>
    public static bool Quotes(ShouldQuoteArgs cell) => cell.Field?.Contains('\r', StringComparison.Ordinal) == true
        || ConfigurationFunctions.ShouldQuote(cell);

    /// <inheritdoc/>
    public override string? ConvertToString(object? value, IWriterRow row, MemberMapData memberMapData) =>
        value is string text ? Marked(text) : base.ConvertToString(value, row, memberMapData);

    /// <inheritdoc/>
    public override object ConvertFromString(string? text, IReaderRow row, MemberMapData memberMapData) => Plain(text ?? "");
}
