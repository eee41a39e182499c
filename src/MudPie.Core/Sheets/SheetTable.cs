using System.Text.RegularExpressions;
using MudPie.Core.Workings;

namespace MudPie.Core.Sheets;

/// <summary>A column of a lab's file, and what it means.</summary>
/// <param name="Header">As it stands there.</param>
/// <param name="Means">What it means.</param>
/// <param name="Of">Of figures of one nutrient: which; else null.</param>
/// <param name="Unit">Of those: in what; else null.</param>
public sealed record LabColumn(string Header, ColumnMeans Means, string? Of, string? Unit);

/// <summary>What a lab's file holds.</summary>
/// <param name="Columns">Each column, and how it was taken.</param>
/// <param name="Samples">Samples by name; empty where the file names none.</param>
/// <param name="Sample">The one that was read; null where there are no names.</param>
/// <param name="Rows">Its lines.</param>
/// <param name="LabBands">The lab's own bands of them.</param>
/// <param name="Left">What was left out, and why.</param>
public sealed record LabFile(IReadOnlyList<LabColumn> Columns, IReadOnlyList<string> Samples, string? Sample, IReadOnlyList<SheetRow> Rows,
    IReadOnlyList<BandAsked> LabBands, IReadOnlyList<string> Left);

/// <summary>Reads a lab's table by its columns: a line for each nutrient, or a row for each sample.</summary>
public static partial class SheetTable
{
    /// <summary>Most columns.</summary>
    public const int MostColumns = 80;

    /// <summary>Most rows.</summary>
    public const int MostRows = 400;

    private static readonly (ColumnMeans Means, string[] Words)[] Known =
    [
        (ColumnMeans.Age, ["leaf age", "age", "leaves"]),
        (ColumnMeans.Sample, ["sample", "sample id", "sample name", "lab no", "lab number", "bag", "field", "paddock", "site",
            "reference"]),
        (ColumnMeans.What, ["analyte", "parameter", "test", "element", "nutrient", "determination", "what", "analysis"]),
        (ColumnMeans.Unit, ["unit", "units", "in what"]),
        (ColumnMeans.Method, ["method", "extraction", "extractant", "got out by"]),
        (ColumnMeans.LabLow, ["low", "from", "minimum", "min", "lower", "guide low", "range low", "lower limit"]),
        (ColumnMeans.LabHigh, ["high", "to", "maximum", "max", "upper", "guide high", "range high", "upper limit"]),
        (ColumnMeans.Value, ["result", "value", "amount", "figure", "how much", "reading", "found"]),
    ];

    /// <summary>What columns most likely mean.</summary>
    /// <param name="headers">As they stand.</param>
    /// <param name="kept">How this lab's were taken before: these go first.</param>
    /// <remarks>"Analyte": what. "Olsen P (mg/kg)": phosphorus in mg/kg. "Moisture": skipped.</remarks>
    public static IReadOnlyList<LabColumn> Guess(IReadOnlyList<string> headers, IReadOnlyList<LabColumn> kept) => [.. headers.Select(h =>
    {
        var text = h.Trim().ToLowerInvariant();
        return kept.FirstOrDefault(k => k.Header.Equals(h, StringComparison.OrdinalIgnoreCase)) is { } before ? before with { Header = h }
            : Known.Where(k => k.Words.Contains(text)).Select(k => new LabColumn(h, k.Means, null, null)).FirstOrDefault()
            ?? (Name(h) is { } of ? new LabColumn(h, ColumnMeans.Nutrient, of.Of, of.Unit) : new LabColumn(h, ColumnMeans.Skip, null,
                null));
    })];

    /// <summary>Reads the file by its columns.</summary>
    /// <param name="headers">As they stand.</param>
    /// <param name="rows">Cells, row by row.</param>
    /// <param name="columns">What each means, in their order.</param>
    /// <param name="sample">Which sample is wanted; null for the first.</param>
    /// <remarks>A row "P; 18; ppm; 25; 45" under analyte, result, unit, low, high: P 18 ppm, the lab's band 25 to 45. Refused: no column of
    /// figures, two columns that mean the same, more than 80 columns or 400 rows.</remarks>
    public static Ruling<LabFile> Read(IReadOnlyList<string> headers, IReadOnlyList<IReadOnlyList<string>> rows,
        IReadOnlyList<LabColumn> columns, string? sample)
    {
        var checks = new Checks();
        if (headers.Count is 0 or > MostColumns || rows.Count is 0 or > MostRows || columns.Count != headers.Count)
        {
            return Refusal.Of("text", headers.Count > MostColumns || rows.Count > MostRows ? "That is too large for a lab’s sheet."
                : "There is no table in it.", $"A line of names, then up to {MostRows} rows of up to {MostColumns} columns.");
        }

        int At(ColumnMeans means) => columns.ToList().FindIndex(c => c.Means == means);
        var wide = columns.Any(c => c.Means == ColumnMeans.Nutrient);
        var tall = At(ColumnMeans.What) >= 0 && At(ColumnMeans.Value) >= 0;
        foreach (var twice in columns.Where(c => c.Means is not (ColumnMeans.Skip or ColumnMeans.Nutrient)).GroupBy(c => c.Means)
            .Where(g => g.Count() > 1))
        {
            checks.Add("columns", $"“{twice.First().Header}” and “{twice.Last().Header}” mean the same.", "Leave one of them out.");
        }

        if (!wide && !tall)
        {
            checks.Add("columns", "No column holds figures yet.",
                "Say which column says what was tested and which how much; or which nutrient a column holds.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        string? Cell(IReadOnlyList<string> row, int at) => at >= 0 && at < row.Count && row[at].Trim() is { Length: > 0 } text ? text
            : null;
        var names = At(ColumnMeans.Sample);
        List<string> samples = [.. rows.Select(r => Cell(r, names)).OfType<string>().Distinct().Take(200)];
        var wanted = samples.Count == 0 ? null : samples.FirstOrDefault(s => s == sample) ?? samples[0];
        var (read, bands, left) = (new List<SheetRow>(), new List<BandAsked>(), new List<string>());
        foreach (var row in rows.Where(r => wanted is null || Cell(r, names) == wanted))
        {
            var age = SheetText.AgeIn(Cell(row, At(ColumnMeans.Age)) ?? "");
            if (tall)
            {
                Tall(row, (Cell, At, age), (read, bands, left));
            }

            foreach (var (column, at) in columns.Select((c, i) => (c, i)).Where(c => c.c.Means == ColumnMeans.Nutrient))
            {
                if (Cell(row, at) is { } value && Nutrients.Read(column.Of ?? column.Header) is not null)
                {
                    read.Add(new SheetRow {
                        Of = column.Of ?? column.Header, Value = value, Unit = column.Unit ?? "",
                        Method = Nutrients.MethodIn(column.Header), Age = age
                    });
                }
            }
        }

        return read.Count == 0 ? Refusal.Of("text", "No row of it is understood.", "Look at what each column means.")
            : Worked.Of(new LabFile(columns, samples, wanted, [.. read.Take(60)], [.. bands.Take(60)], [.. left.Take(40)]), "",
                Evidence.MeasuredHere);
    }

    private static void Tall(IReadOnlyList<string> row,
        (Func<IReadOnlyList<string>, int, string?> Cell, Func<ColumnMeans, int> At, LeafAge? Age) by,
        (List<SheetRow> Rows, List<BandAsked> Bands, List<string> Left) into)
    {
        string? Of(ColumnMeans means) => by.Cell(row, by.At(means));
        if (Of(ColumnMeans.What) is not { } what)
        {
            return;
        }

        if (Nutrients.Read(what) is not { } of || Of(ColumnMeans.Value) is not { } value)
        {
            into.Left.Add(Of(ColumnMeans.Value) is null ? $"{what}: no figure" : what);
            return;
        }

        var (unit, inName) = (Of(ColumnMeans.Unit), Name(what));
        into.Rows.Add(new SheetRow {
            Of = of.Share < 1 ? what : of.Of.Id, Value = value, Unit = unit ?? inName?.Unit ?? "",
            Method = Nutrients.MethodIn(Of(ColumnMeans.Method) ?? what), Age = by.Age,
        });
        // A band of an oxide is an oxide's too.
        string? End(ColumnMeans means) => Of(means) is { } text && TypedNumber(text) is { } v ? (v * of.Share).ToString("0.######",
            System.Globalization.CultureInfo.InvariantCulture) : null;
        if (End(ColumnMeans.LabLow) is { } low && End(ColumnMeans.LabHigh) is { } high)
        {
            into.Bands.Add(new BandAsked { Of = of.Of.Id, Low = low, High = high, Unit = unit ?? inName?.Unit });
        }
    }

    private static double? TypedNumber(string text) => Measures.TypedNumber.Of(text, pointIsDecimal: true).Value;

    /// <summary>The nutrient and the unit that a header names: "Olsen P (mg/kg)", "K ppm", "pH".</summary>
    private static (string Of, string? Unit)? Name(string header)
    {
        var unit = header.Split(['(', ')', '[', ']', ' ', ',', '_'], StringSplitOptions.RemoveEmptyEntries).Select(SheetUnits.First)
            .FirstOrDefault(u => u is not null) ?? SheetUnits.First(header.Split('(').Last().Trim(')', ' '));
        var bare = UnitsIn().Replace(header.Replace('_', ' '), " ").Trim();
        return (Nutrients.Read(bare) ?? Nutrients.Read(header)) is { } of ? (of.Share < 1 ? bare : of.Of.Id, unit ?? (of.Of.Property ? ""
            : null)) : null;
    }

    [GeneratedRegex(@"[\(\[][^\)\]]*[\)\]]|\b(ppm|mg/kg|mg/l|meq/100\s?g|cmol\S*|g/kg|kg/ha|lbs?/ac\w*|percent)|%|,",
        RegexOptions.IgnoreCase, 1000)]
    private static partial Regex UnitsIn();
}
