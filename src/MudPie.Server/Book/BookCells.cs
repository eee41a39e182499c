using System.Globalization;
using System.Runtime.CompilerServices;
using CsvHelper;
using CsvHelper.Configuration;
using MudPie.Core.Workings;
using MudPie.Server.Web;

namespace MudPie.Server.Book;

/// <summary>The lines of a book's file, and what stands in their cells: what can't be read is kept as a problem of its line.</summary>
/// <param name="now">Nothing in a book has happened after this.</param>
public sealed class BookCells(DateTimeOffset now)
{
    private readonly Checks _checks = new();

    private const int MostInCell = (2 * TextLimits.Prose) + 200; // every sign of it may be a quote, which is written twice

    /// <summary>Lines read so far, without the header.</summary>
    public int Line { get; set; }

    /// <summary>What could not be read; null where all could.</summary>
    public Refusal? Refusal => _checks.Sound ? null : _checks.Refusal;

    /// <summary>Reads the lines of a CSV.</summary>
    public static Ruling<List<BookRow>> Csv(string? text)
    {
        using var csv = new CsvReader(new StringReader((text ?? "").TrimStart('\uFEFF')),
            new CsvConfiguration(CultureInfo.InvariantCulture) {
                MissingFieldFound = null, HeaderValidated = null, BadDataFound = null,
                MaxFieldSize = MostInCell
            });
        csv.Context.TypeConverterCache.AddConverter<string>(new SafeCells());
        try
        {
            var rows = csv.GetRecords<BookRow>().Take(200_001).ToList();
            return rows.Count == 0 || rows.All(r => r.kind.Length == 0)
                ? Refusal.Of("file", "That is no book.", "Bring the CSV or JSON that the book gave out; its first column is kind.")
                : rows.Count > 200_000 ? Refusal.Of("file", "That is more than 200,000 lines.", "Split it by year.")
                : Worked.Of(rows, "", Evidence.MeasuredHere);
        }
        catch (MaxFieldSizeException e)
        {
            return Refusal.Of("file", $"Line {e.Context?.Parser?.RawRow ?? 1} has a cell of more than {TextLimits.Prose:N0} characters.",
                "Shorten it, or cut it in two lines.");
        }
        catch (CsvHelperException e)
        {
            return Refusal.Of("file", $"Line {e.Context?.Parser?.RawRow ?? 1} can't be read.", "Bring the file as the book gave it out.");
        }
    }

    /// <summary>Something is wrong with this line.</summary>
    public void Wrong(string wrong, string wayOut) => _checks.Add($"line {Line + 1}", wrong, wayOut);

    // "r.recorded_at", as the code reads it, is the column recorded_at.
    private static string Column(string of) => of[(of.LastIndexOf('.') + 1)..];

    /// <summary>Words, or null where there are none.</summary>
    public static string? Text(string cell) => cell.Length > 0 ? cell : null;

    /// <summary>A number, or null where there is none.</summary>
    public double? Maybe(string cell, [CallerArgumentExpression(nameof(cell))] string of = "") => cell.Length > 0 ? Number(cell, of) : null;

    /// <summary>A number within ±10¹²; 0 where there is none.</summary>
    public double Number(string cell, [CallerArgumentExpression(nameof(cell))] string of = "")
    {
        if (cell.Length == 0)
        {
            return 0;
        }

        if (double.TryParse(cell, NumberStyles.Float, CultureInfo.InvariantCulture, out var value) && double.IsFinite(value)
            && Math.Abs(value) <= 1e12)
        {
            return value;
        }

        Wrong($"{Column(of)}: “{(cell.Length > 20 ? cell[..20] : cell)}” is no number.", "Write numbers as 12.5.");
        return 0;
    }

    /// <summary>An amount of 0 to a most; 0 where there is none.</summary>
    public double Amount(string cell, double most = 1e7, [CallerArgumentExpression(nameof(cell))] string of = "")
    {
        var amount = Number(cell, of);
        if (amount >= 0 && amount <= most)
        {
            return amount;
        }

        Wrong($"{Column(of)}: {cell} is {(amount < 0 ? "below nought" : "more than there can be")}.", $"Give 0 to {Say.Number(most)}.");
        return 0;
    }

    /// <summary>"L" or "kg", in which amounts are kept; empty where it does not apply.</summary>
    public string Unit(string cell, [CallerArgumentExpression(nameof(cell))] string of = "") => OneOf(cell, ["L", "kg", ""], of);

    /// <summary>One of a few words.</summary>
    public string OneOf(string cell, IReadOnlyList<string> known, [CallerArgumentExpression(nameof(cell))] string of = "")
    {
        if (known.Contains(cell))
        {
            return cell;
        }

        Wrong($"{Column(of)}: “{(cell.Length > 30 ? cell[..30] : cell)}” is not known here.",
            $"Write {Say.Any([.. known.Where(k => k.Length > 0)])}.");
        return known[0];
    }

    /// <summary>A member of an idea, by its word.</summary>
    public T One<T>(string cell, [CallerArgumentExpression(nameof(cell))] string of = "")
        where T : struct, Enum => Words.Read<T>(OneOf(cell, Words.All<T>(), of)) ?? default;

    /// <summary>A time that has been.</summary>
    public DateTimeOffset Past(string cell, [CallerArgumentExpression(nameof(cell))] string of = "")
    {
        var at = Time(cell, of);
        if (at > now.AddDays(1))
        {
            Wrong($"{Column(of)}: “{cell}” has not come yet.", "A book holds what has happened.");
        }

        return at;
    }

    /// <summary>When it was written down: now, where a line does not say.</summary>
    public DateTimeOffset Recorded(string cell) => cell.Length == 0 ? now : Past(cell, "recorded_at");

    /// <summary>A time of the years 1951 to 2099.</summary>
    public DateTimeOffset Time(string cell, [CallerArgumentExpression(nameof(cell))] string of = "")
    {
        if (DateTimeOffset.TryParse(cell, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal | DateTimeStyles.AdjustToUniversal,
            out var at) && at.Year is > 1950 and < 2100)
        {
            return at;
        }

        Wrong($"{Column(of)}: “{(cell.Length > 30 ? cell[..30] : cell)}” is no time.", "Write times as 2026-05-01T06:30:00Z.");
        return DateTimeOffset.UnixEpoch;
    }
}
