using CsvHelper;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.Sheets;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Looking;
using MudPie.Server.Web;

namespace MudPie.Server.Sheets;

/// <summary>Labs: their files, read by columns that are remembered, and by how much their figures stray.</summary>
public static class LabEndpoints
{
    /// <summary>What can be asked and done.</summary>
    public static void MapLabs(this IEndpointRouteBuilder api)
    {
        api.MapPost("/sheets/table", Table).ForVisitor("Reads a lab’s file by its columns, as a preview: nothing is kept.");
        api.MapPost("/sheets/labs", Keep).ForHand("A lab’s columns are remembered, or by how much its figures stray.");
    }

    /// <summary>Labs by name.</summary>
    public static async Task<List<LabView>> Labs(HoldingDb db) => [.. (await db.Labs.AsNoTracking().OrderBy(l => l.Name).Take(60)
        .ToListAsync()).Select(l => new LabView(l.Name, Math.Round(l.Stray * 100, 3), l.Columns?.Count ?? 0))];

    /// <summary>A lab's name as it is kept; null for none.</summary>
    internal static string? Named(string? typed, Checks checks)
    {
        var name = typed?.Trim();
        if (name?.Length > Names.Most)
        {
            checks.Add("lab", "That name is too long.", $"Up to {Names.Most} letters.");
        }

        return string.IsNullOrEmpty(name) ? null : name;
    }

    private static async Task<Results<Ok<Worked<LabFile>>, Refused>> Table(LabFileRequest r, HoldingDb db)
    {
        if (string.IsNullOrWhiteSpace(r.Text) || r.Text.Length > 400_000)
        {
            return Problems.Of(Refusal.Of("text", string.IsNullOrWhiteSpace(r.Text) ? "There is nothing in it." : "That is too large for a "
                + "lab’s sheet.", "Give a CSV with a line of names."));
        }

        List<string[]> lines = [];
        try
        {
            using var csv = CsvHead.Open(r.Text, over: 30);
            while (lines.Count <= SheetTable.MostRows + 1 && csv.Read())
            {
                lines.Add(csv.Parser.Record ?? []);
            }
        }
        catch (CsvHelperException)
        {
            return Problems.Of(Refusal.Of("text", "That is no table.", "Give a CSV with a line of names."));
        }

        // Labs write names and addresses above their table: it begins with the first row that most columns of it fill.
        var widest = lines.Count == 0 ? 0 : lines.Max(l => l.Count(c => c.Length > 0));
        var from = lines.FindIndex(l => l.Count(c => c.Length > 0) * 3 >= widest * 2);
        string[] headers = from < 0 ? [] : [.. lines[from].Select((h, i) => h.Trim().Length == 0 ? $"column {i + 1}" : h.Trim())];
        var name = r.Lab?.Trim() ?? "";
        var kept = name.Length == 0 ? null : await db.Labs.AsNoTracking().FirstOrDefaultAsync(l => l.Name == name);
        var columns = r.Columns is { Count: > 0 } said && said.Count == headers.Length ? said
            : SheetTable.Guess(headers, kept?.Columns ?? []);
        var read = SheetTable.Read(headers, [.. lines.Skip(from + 1)], columns, r.Sample);
        if (read.Refused is not { } no)
        {
            return TypedResults.Ok(read.Worked);
        }

        // A table of a fair size that is not understood by itself is shown all the same: its columns can then be matched by hand.
        var table = lines.Count > from + 1 && lines.Count <= SheetTable.MostRows + 1 && headers.Length is > 0 and <= SheetTable.MostColumns;
        return table && r.Columns is null ? TypedResults.Ok(Worked.Of(new LabFile(columns, [], null, [], [], [no.Problems[0].Wrong]), "",
            Evidence.MeasuredHere)) : Problems.Of(no);
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Keep(LabKeepRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var name = fields.Name("name", r.Name, "the lab");
        var stray = fields.Optional("stray", r.Stray, Dimension.Plain, 0, 50, "Per cent; 10 to 15 for most labs.");
        if (r.Columns?.Count > SheetTable.MostColumns || r.Columns?.Any(c => c.Header is null or { Length: > 120 } || c.Of?.Length > 60
            || c.Unit?.Length > 40) == true)
        {
            fields.Checks.Add("columns", "Those are no columns of a lab’s file.", "Read the file again.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        var lab = await db.Labs.FirstOrDefaultAsync(l => l.Name == name) ?? db.Labs.Add(new Lab { Name = name }).Entity;
        lab.Stray = stray / 100 ?? lab.Stray;
        // Columns of other files of that lab stay remembered beside these.
        lab.Columns = r.Columns is not { } columns ? lab.Columns : [.. columns.Where(c => c.Means != ColumnMeans.Skip),
            .. (lab.Columns ?? []).Where(k => columns.All(c => !c.Header.Equals(k.Header, StringComparison.OrdinalIgnoreCase)))
                .Take(SheetTable.MostColumns)];
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(lab.Id));
    });
}
