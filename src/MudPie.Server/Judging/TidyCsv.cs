using CsvHelper;
using MudPie.Core.Judging.Trials;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Server.Web;

namespace MudPie.Server.Judging;

/// <summary>A tidy table: a header, a row a plot, text as it stands.</summary>
public sealed record TidyTable(IReadOnlyList<string> Headers, IReadOnlyList<IReadOnlyList<string>> Rows)
{
    /// <summary>Cells that mean nothing was measured.</summary>
    public static bool Missing(string cell) => cell.Length == 0 || cell is "NA" or "NaN" or "na" or "-";

    /// <summary>Index of a column, or −1.</summary>
    public int Column(string? name) => name is null ? -1 : Headers.ToList()
        .FindIndex(h => string.Equals(h, name, StringComparison.OrdinalIgnoreCase));

    /// <summary>A figure with decimal point or comma; null where it is none. A comma that could be for thousands was refused when the table
    /// was read.</summary>
    public static double? Number(string cell) => TypedNumber.Of(cell, pointIsDecimal: true, commaIsDecimal: true).Value;

    /// <summary>True where every cell that is not missing is a figure, and there is one.</summary>
    public bool Numeric(int column) => Rows.Any(r => !Missing(r[column]))
        && Rows.All(r => Missing(r[column]) || Number(r[column]) is not null);

    /// <summary>Different texts in a column, in order of appearance; "Water" and "water" are one.</summary>
    public IReadOnlyList<string> Levels(int column) =>
        [.. Rows.Select(r => r[column].Trim()).Where(c => !Missing(c)).Distinct(StringComparer.OrdinalIgnoreCase)];
}

/// <summary>Reads any tidy CSV: comma, semicolon or tab, quotes or none.</summary>
public static class TidyCsv
{
    private const int MostRows = 20_000;

    /// <summary>The table, or what is wrong by line.</summary>
    public static Ruling<TidyTable> Read(string? text, string field = "csv")
    {
        if (string.IsNullOrWhiteSpace(text) || text.Length > 5_000_000)
        {
            return Refusal.Of(field, string.IsNullOrWhiteSpace(text) ? "There is no table." : "That is more than 5 MB.",
                "Give a CSV with a line of headers and a row for each plot.");
        }

        using var csv = CsvHead.Open(text);
        try
        {
            if (!csv.Read() || !csv.ReadHeader() || csv.HeaderRecord?.Select(Book.SafeCells.Plain).ToArray() is not { Length: > 1 } headers)
            {
                return Refusal.Of(field, "There is no line of headers with two columns or more.",
                    "Begin with a line such as: block,treatment,yield.");
            }

            if (headers.GroupBy(h => h, StringComparer.OrdinalIgnoreCase).FirstOrDefault(g => g.Count() > 1) is { } twice)
            {
                return Refusal.Of(field, $"Two columns are called “{twice.Key}”.", "Give each a name of its own.");
            }

            var rows = new List<IReadOnlyList<string>>();
            while (csv.Read())
            {
                if (csv.Parser.Count != headers.Length && !(csv.Parser.Count == 1 && csv.Parser[0].Length == 0))
                {
                    return Refusal.Of(field, $"Line {csv.Parser.RawRow} has {csv.Parser.Count} cells, the header {headers.Length}.",
                        "Put quotes around cells that hold a comma.");
                }

                string[] cells = [.. Enumerable.Range(0, headers.Length)
                    .Select(i => csv.TryGetField<string>(i, out var c) ? Book.SafeCells.Plain(c ?? "") : "")];
                if (cells.Any(c => c.Length > 0))
                {
                    rows.Add(cells);
                }

                if (rows.Count > MostRows)
                {
                    return Refusal.Of(field, $"That is more than {MostRows:N0} rows.", "Give a row for each plot, not for each plant.");
                }
            }

            if (TwoWays(field, headers, rows) is { } unsure)
            {
                return unsure;
            }

            return rows.Count == 0 ? Refusal.Of(field, "There are headers and no rows.", "Give a row for each plot.")
                : Worked.Of(new TidyTable(headers, rows), "", Evidence.MeasuredHere);
        }
        catch (CsvHelperException e)
        {
            return Refusal.Of(field, $"Line {e.Context?.Parser?.RawRow ?? 1} can't be read.", "Save it as plain CSV with commas.");
        }
    }

    /// <summary>"1,250" is 1.25 or 1250: refused with both, unless another figure of the table shows that its commas are decimal
    /// ("3,5").</summary>
    private static Refusal? TwoWays(string field, string[] headers, List<IReadOnlyList<string>> rows)
    {
        TypedNumber Comma(string cell) => cell.Contains(',') ? TypedNumber.Of(cell, pointIsDecimal: true) : default;
        if (rows.Any(r => r.Any(c => Comma(c) is { Sure: true } && c.Count(x => x == ',') == 1 && !c.Contains('.'))))
        {
            return null;
        }

        foreach (var (row, line) in rows.Select((r, i) => (r, i + 2)))
        {
            if (row.Select((c, i) => (Cell: c, Header: headers[i], Read: Comma(c)))
                .FirstOrDefault(c => c.Read.Other is not null) is { Cell: not null } found)
            {
                var said = found.Read.TwoWays(field, found.Cell);
                return Refusal.Of(field, $"Line {line}, {found.Header}: {said.Wrong}", said.WayOut);
            }
        }

        return null;
    }
}

/// <summary>Question of trial-analysis: any tidy CSV, with its columns named.</summary>
public sealed record TrialAnalysisQuestion
{
    /// <summary>The table: a header, a row a plot, NA for missing.</summary>
    public string? Csv { get; init; }

    /// <summary>The column that was measured. For pairs side by side in two columns: the later one.</summary>
    public string? Response { get; init; }

    /// <summary>"random", "blocks", "factorial", "split-plot" or "paired".</summary>
    public Design? Design { get; init; }

    /// <summary>Columns that say what was done. For pairs in two columns: those two, the earlier first.</summary>
    public IReadOnlyList<string>? Factors { get; init; }

    /// <summary>Column of the block, or of the pair.</summary>
    public string? Block { get; init; }

    /// <summary>Column of the whole plot, in a split plot.</summary>
    public string? WholePlot { get; init; }

    /// <summary>The level that others are set against.</summary>
    public string? Control { get; init; }

    /// <summary>For counts: the column of how many were sown.</summary>
    public string? OutOf { get; init; }

    /// <summary>What its figures are; counts where outOf is given, else amounts.</summary>
    public Scale? Kind { get; init; }

    public string? Unit { get; init; }

    public double? WorthHaving { get; init; }

    public bool LowerIsBetter { get; init; }

    public double? NoWorseBy { get; init; }

    /// <summary>Factors that it was only tried in: soils, crops.</summary>
    public IReadOnlyList<string>? Conditions { get; init; }

    /// <summary>How many measures and dates were looked at; 1 when not given.</summary>
    public int? Looked { get; init; }

    /// <summary>The trial in it, or what is wrong.</summary>
    public Ruling<TrialQuestion> Read()
    {
        var table = TidyCsv.Read(Csv);
        return table.Refused is { } refused ? refused : Wide(table.Value) is { } pair ? Paired(table.Value, pair) : Tidy(table.Value);
    }

    /// <summary>Two columns of figures side by side; null where the table is tidy.</summary>
    private (int Before, int After)? Wide(TidyTable table)
    {
        if (Design != Core.Ideas.Design.Paired)
        {
            return null;
        }

        List<int> named = [.. (Factors ?? []).Select(f => table.Column(f))];
        if (named.Count == 2 && named.All(c => c >= 0 && table.Numeric(c)))
        {
            return (named[0], named[1]);
        }

        var (response, control) = (table.Column(Response), table.Column(Control));
        if (response >= 0 && control >= 0 && table.Numeric(response) && table.Numeric(control))
        {
            return (control, response);
        }

        List<int> figures = [.. Enumerable.Range(0, table.Headers.Count)
            .Where(c => c != table.Column(Block) && table.Numeric(c) && table.Levels(c).Count > 0)];
        // a running number is no measure
        figures = figures.Count == 3 && table.Rows.Select((r, i) => TidyTable.Number(r[figures[0]]) == i + 1).All(x => x)
            ? figures[1..] : figures;
        return (Factors ?? []).Count == 0 && figures.Count == 2 ? (figures[0], figures[1]) : null;
    }

    private Ruling<TrialQuestion> Paired(TidyTable table, (int Before, int After) pair)
    {
        TrialRow Row(IReadOnlyList<string> r, int i, int column) =>
            new() {
                Plot = $"{table.Headers[column]} {i + 1}", Levels = [table.Headers[column]], Block = $"{i + 1}",
                Value = TidyTable.Missing(r[column]) ? null : TidyTable.Number(r[column]), Why = "NA"
            };
        return Worked.Of(
            Base() with {
                Response = Response ?? table.Headers[pair.After],
                Factors = ["when"],
                Control = table.Headers[pair.Before],
                Rows = [.. table.Rows.SelectMany((r, i) => new[] { Row(r, i, pair.Before), Row(r, i, pair.After) })]
            },
            "", Evidence.MeasuredHere);
    }

    private Ruling<TrialQuestion> Tidy(TidyTable table)
    {
        var checks = new Checks();
        int Need(string field, string? name)
        {
            var column = table.Column(name);
            if (column < 0)
            {
                checks.Add(field, name is null ? "Nothing was chosen." : $"There is no column “{name}”.",
                    $"Choose {Say.Any(table.Headers)}.");
            }

            return column;
        }

        var response = Need("response", Response);
        List<int> factors = [.. (Factors ?? []).Select((f, i) => Need($"factors[{i}]", f))];
        var (block, whole, outOf) = (Block is null ? -1 : Need("block", Block), WholePlot is null ? -1 : Need("wholePlot", WholePlot),
            OutOf is null ? -1 : Need("outOf", OutOf));
        if (factors.Count == 0)
        {
            checks.Add("factors", "No column says what was done.", $"Choose {Say.Any(table.Headers)}.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        foreach (var (row, i) in table.Rows.Select((r, i) => (r, i)))
        {
            if (!TidyTable.Missing(row[response]) && TidyTable.Number(row[response]) is null)
            {
                return Refusal.Of("response",
                    $"Line {i + 2}: “{(row[response].Length > 20 ? row[response][..20] : row[response])}” is no figure.",
                    "Write figures as 3.16, and NA where a plot is missing.");
            }
        }

        string? Text(IReadOnlyList<string> r, int column) => column < 0 || TidyTable.Missing(r[column]) ? null : r[column];
        return Worked.Of(
            Base() with {
                Response = table.Headers[response],
                Factors = [.. factors.Select(f => table.Headers[f])],
                Rows =
                [
                    .. table.Rows.Select((r, i) => new TrialRow
                    {
                        Plot = $"row {i + 1}",
                        Levels = [.. factors.Select(f => r[f])],
                        Block = Text(r, block),
                        WholePlot = Text(r, whole),
                        Value = TidyTable.Missing(r[response]) ? null : TidyTable.Number(r[response]),
                        OutOf = outOf < 0 ? null : TidyTable.Number(r[outOf]),
                        Why = "NA",
                    }),
                ],
            },
            "", Evidence.MeasuredHere);
    }

    private TrialQuestion Base() => new() {
        Unit = Unit ?? "",
        Design = Design ?? Core.Ideas.Design.Random,
        Control = Control,
        Conditions = Conditions ?? [],
        Kind = Kind ?? (OutOf is null ? Scale.Amount : Scale.Count),
        WorthHaving = WorthHaving,
        LowerIsBetter = LowerIsBetter,
        NoWorseBy = NoWorseBy,
        Looked = Looked ?? 1,
    };
}
