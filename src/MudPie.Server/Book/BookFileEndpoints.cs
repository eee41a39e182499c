using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Server.Web;

namespace MudPie.Server.Book;

/// <summary>The book as a JSON file.</summary>
public sealed record BookFile(string Format, int FormatVersion, IReadOnlyList<BookRow> Lines)
{
    /// <summary>Its mark.</summary>
    public const string Name = "mud-pie-book";
}

/// <summary>A book's file as text.</summary>
public sealed record BookFileRequest(string? Text);

/// <summary>The book out, and in again.</summary>
public static class BookFileEndpoints
{
    /// <summary>What can be done.</summary>
    public static void MapBookFiles(this IEndpointRouteBuilder api)
    {
        api.MapGet("/book/book.csv", async (HoldingDb db) => TypedResults.Text(BookOut.Csv(await BookOut.Rows(db)), "text/csv",
            System.Text.Encoding.UTF8)).ForVisitor("The book as a table.");
        api.MapGet("/book/book.json", async (HoldingDb db) => TypedResults.Json(new BookFile(BookFile.Name, 1, await BookOut.Rows(db)),
            Json.Options)).ForVisitor("The book as lines of JSON.");
        api.MapGet("/book/holding.zip", Whole).ForOwner("The whole holding as one zip of open files: tables as CSV, pictures as files.");
        api.MapPost("/book/file", Bring).ForHand("Brings a book's table in, line by line, each once.");
    }

    private static FileStreamHttpResult Whole(HoldingDb db, HoldingClock clock)
    {
        var (path, now) = (db.Database.GetDbConnection().DataSource, clock.Now);
        // Written aside first: a zip wants to go back in its stream, and a reader may be slow while the file goes on.
        var aside = new FileStream(Path.GetTempFileName(), new FileStreamOptions {
            Mode = FileMode.Create, Access = FileAccess.ReadWrite,
            Options = FileOptions.DeleteOnClose
        });
        HoldingZip.Write(path, aside, now);
        aside.Position = 0;
        return TypedResults.File(aside, "application/zip", "holding.zip");
    }

    private static Task<Results<Written<BookBrought>, Refused, Clash>> Bring(BookFileRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) =>
        writes.Do<BookBrought>(async () =>
    {
        if (r.Text is not { Length: > 0 and < 20_000_000 })
        {
            return Refusal.Of("file", "There is nothing in it, or more than 20 MB.", "Bring the CSV or JSON that the book gave out.");
        }

        var rows = r.Text.TrimStart().StartsWith('{') ? FromJson(r.Text) : BookCells.Csv(r.Text);
        return rows.Refused is { } refused ? refused : await new BookIn(db, clock.Now).Put(rows.Value);
    });

    private static Ruling<List<BookRow>> FromJson(string text)
    {
        try
        {
            return JsonSerializer.Deserialize<BookFile>(text, Json.Options) is { Format: BookFile.Name, Lines: { } lines }
                ? Worked.Of(lines.ToList(), "", Evidence.MeasuredHere) : Refusal.Of("file", "That is no book.",
                    $"Its format must be {BookFile.Name}.");
        }
        catch (JsonException e)
        {
            return Refusal.Of("file", $"Line {(e.LineNumber ?? 0) + 1} can't be read.", "Bring the file as the book gave it out.");
        }
    }
}
