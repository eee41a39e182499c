using System.Globalization;
using System.IO.Compression;
using System.Text.Json;
using CsvHelper;
using CsvHelper.Configuration;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

namespace MudPie.Records;

/// <summary>A column of a table in the zip.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Type">"integer", "number", "string" or "binary" (a path within the zip).</param>
public sealed record ZipField(string Name, string Type);

/// <summary>A table in the zip.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Path">Where in the zip.</param>
/// <param name="Rows">How many.</param>
/// <param name="Schema">Its columns.</param>
public sealed record ZipTable(string Name, string Path, long Rows, ZipSchema Schema);

/// <summary>Columns of a table in the zip.</summary>
public sealed record ZipSchema(IReadOnlyList<ZipField> Fields);

/// <summary>What the zip says of itself: a data package.</summary>
/// <param name="Name">"mud-pie-holding".</param>
/// <param name="Form">"mud-pie-holding/1".</param>
/// <param name="Created">When it was made.</param>
/// <param name="Step">The last step of the file's history.</param>
/// <param name="Resources">Its tables.</param>
public sealed record ZipPackage(string Name, string Form, string Created, string Step, IReadOnlyList<ZipTable> Resources);

/// <summary>The whole holding as one zip of open files: a CSV for each table, pictures as files, and datapackage.json that describes them.
/// Out, in and out again gives the same but for the date.</summary>
public static class HoldingZip
{
    /// <summary>Its form.</summary>
    public const string Form = "mud-pie-holding/1";

    /// <summary>Most bytes that are unpacked: 8 GB.</summary>
    public const long MostBytes = 8L << 30;

    private const string History = "__EFMigrationsHistory";

    private static readonly DateTimeOffset Still = new(2000, 1, 1, 0, 0, 0, TimeSpan.Zero);

    private static readonly JsonSerializerOptions Pretty = new(JsonSerializerDefaults.Web) { WriteIndented = true };

    private static readonly CsvConfiguration Csv = new(CultureInfo.InvariantCulture) { NewLine = "\n", BadDataFound = null };

    /// <summary>Writes it, as the file stands at one moment; safe while the holding is in use.</summary>
    /// <param name="holding">The file.</param>
    /// <param name="to">Where to.</param>
    /// <param name="created">What it says of when it was made.</param>
    public static void Write(string holding, Stream to, DateTimeOffset created)
    {
        using var file = HoldingFile.Connect(holding, SqliteOpenMode.ReadWrite);
        using var moment = file.BeginTransaction(deferred: true);
        using var zip = new ZipArchive(to, ZipArchiveMode.Create, leaveOpen: true);
        var step = Texts(file, $"SELECT MigrationId FROM {History} ORDER BY MigrationId").Last();
        List<ZipTable> tables = [];
        foreach (var table in Tables(file))
        {
            tables.Add(Write(file, zip, table));
        }

        using var package = Entry(zip, "datapackage.json").Open();
        JsonSerializer.Serialize(package, new ZipPackage("mud-pie-holding", Form, created.UtcDateTime.ToString("O",
            CultureInfo.InvariantCulture), step, tables), Pretty);
    }

    private static ZipTable Write(SqliteConnection file, ZipArchive zip, string table)
    {
        var (fields, path, rows) = (Fields(file, table), $"tables/{table}.csv", 0L);
        List<(string Path, byte[] Bytes)> pictures = [];
        using (var text = new StreamWriter(Entry(zip, path).Open()))
        using (var csv = new CsvWriter(text, Csv))
        {
            fields.ForEach(f => csv.WriteField(f.Name));
            csv.NextRecord();
            using var read = file.CreateCommand();
            read.CommandText = $"SELECT {string.Join(", ", fields.Select(f => $"\"{f.Name}\""))} FROM \"{table}\" ORDER BY rowid";
            using var row = read.ExecuteReader();
            while (row.Read())
            {
                rows++;
                for (var i = 0; i < fields.Count; i++)
                {
                    csv.WriteField(Cell(row, i, () => $"files/{table}-{rows}-{fields[i].Name}", pictures));
                }

                csv.NextRecord();
            }
        }

        foreach (var (name, bytes) in pictures)
        {
            using var entry = Entry(zip, name, CompressionLevel.NoCompression).Open();
            entry.Write(bytes);
        }

        return new ZipTable(table, path, rows, new ZipSchema(fields));
    }

    /// <summary>Nothing is \N, as tables go out of databases; text that begins with a backslash has one more.</summary>
    private static string Cell(SqliteDataReader row, int at, Func<string> path, List<(string, byte[])> pictures)
    {
        switch (row.GetValue(at))
        {
            case DBNull:
                return "\\N";
            case long whole:
                return whole.ToString(CultureInfo.InvariantCulture);
            case double v:
                return v.ToString("R", CultureInfo.InvariantCulture);
            case byte[] bytes:
                var name = path() + (bytes is [0xFF, 0xD8, ..] ? ".jpg" : bytes is [0x89, 0x50, ..] ? ".png" : ".bin");
                pictures.Add((name, bytes));
                return name;
            case string text:
                return text.StartsWith('\\') ? "\\" + text : text;
            default:
                throw new NotSupportedException(row.GetDataTypeName(at));
        }
    }

    /// <summary>Makes a holding's file of it.</summary>
    /// <param name="from">The zip.</param>
    /// <param name="holding">Where to; nothing may lie there.</param>
    /// <returns>What is wrong with it, naming its place; null where it is made.</returns>
    /// <remarks>All or nothing: what is refused leaves no file.</remarks>
    public static string? Read(Stream from, string holding)
    {
        if (File.Exists(holding) || Directory.Exists(holding))
        {
            return $"{holding} is there already; nothing was overwritten.";
        }

        var part = holding + ".part";
        try
        {
            using var zip = new ZipArchive(from, ZipArchiveMode.Read, leaveOpen: true);
            if (zip.Entries.Sum(e => Math.Max(0, e.Length)) > MostBytes)
            {
                return "It would unpack to more than 8 GB: it is no holding.";
            }

            File.Delete(part);
            if ((Package(zip, out var package) ?? Fill(zip, package!, part)) is { } wrong)
            {
                return wrong;
            }

            File.Move(part, holding);
            return null;
        }
        catch (Exception e) when (e is InvalidDataException or JsonException or CsvHelperException or SqliteException)
        {
            return $"It is damaged, or no zip of a holding: {e.Message}";
        }
        finally
        {
            SqliteConnection.ClearAllPools();
            foreach (var left in new[] { part, part + "-wal", part + "-shm", part + "-journal" })
            {
                File.Delete(left);
            }
        }
    }

    private static string? Package(ZipArchive zip, out ZipPackage? package)
    {
        package = null;
        if (zip.GetEntry("datapackage.json") is not { } entry || entry.Length > 1 << 20)
        {
            return "There is no datapackage.json in it.";
        }

        using var text = entry.Open();
        package = JsonSerializer.Deserialize<ZipPackage>(text, Pretty);
        return package is not { Form: Form, Resources: not null, Step: not null }
            ? $"Its datapackage.json does not say “form”: “{Form}”." : null;
    }

    private static string? Fill(ZipArchive zip, ZipPackage package, string part)
    {
        using (var db = new HoldingDb((DbContextOptions<HoldingDb>)new DbContextOptionsBuilder<HoldingDb>().UseHolding(part).Options))
        {
            if (!db.Database.GetMigrations().Contains(package.Step))
            {
                return "A newer Mud Pie made it: bring this one up to date first.";
            }

            db.GetService<IMigrator>().Migrate(package.Step);
        }

        SqliteConnection.ClearAllPools();
        using var file = HoldingFile.Connect(part, SqliteOpenMode.ReadWrite);
        HoldingFile.Run(file, "PRAGMA foreign_keys=OFF; PRAGMA journal_mode=DELETE;");
        using (var all = file.BeginTransaction())
        {
            foreach (var table in Tables(file).Where(t => t != History))
            {
                if (Fill(zip, file, table) is { } wrong)
                {
                    return wrong;
                }
            }

            if (Texts(file, "SELECT \"table\" FROM pragma_foreign_key_check LIMIT 1") is [var loose, ..])
            {
                return $"tables/{loose}.csv points at something that is not in the zip.";
            }

            all.Commit();
        }

        file.Close();
        return HoldingFileState.Of(part).Trouble?.Wrong;
    }

    private static string? Fill(ZipArchive zip, SqliteConnection file, string table)
    {
        var (fields, path) = (Fields(file, table), $"tables/{table}.csv");
        if (zip.GetEntry(path) is not { } entry)
        {
            return $"There is no {path} in it.";
        }

        using var csv = new CsvReader(new StreamReader(entry.Open()), Csv);
        if (!csv.Read() || !(csv.Parser.Record ?? []).SequenceEqual(fields.Select(f => f.Name)))
        {
            return $"{path}, line 1: its columns are not {string.Join(", ", fields.Select(f => f.Name))}.";
        }

        using var put = file.CreateCommand();
        put.CommandText = $"INSERT INTO \"{table}\" ({string.Join(", ", fields.Select(f => $"\"{f.Name}\""))}) VALUES "
            + $"({string.Join(", ", fields.Select((_, i) => $"$p{i}"))})";
        var values = fields.Select((_, i) => put.Parameters.Add(new SqliteParameter($"$p{i}", DBNull.Value))).ToList();
        while (csv.Read())
        {
            var cells = csv.Parser.Record ?? [];
            for (var i = 0; i < fields.Count; i++)
            {
                if (cells.Length != fields.Count || Value(zip, fields[i], cells[i]) is not { } value)
                {
                    return $"{path}, line {csv.Parser.Row}{(cells.Length == fields.Count ? $", {fields[i].Name}" : "")}: "
                        + (cells.Length == fields.Count ? $"“{Cut(cells[i])}” is no {fields[i].Type}."
                            : "it has too few or too many cells.");
                }

                values[i].Value = value;
            }

            put.ExecuteNonQuery();
        }

        return null;
    }

    private static object? Value(ZipArchive zip, ZipField field, string cell) => cell == "\\N" ? DBNull.Value : field.Type switch {
        "integer" => long.TryParse(cell, CultureInfo.InvariantCulture, out var whole) ? whole : null,
        "number" => double.TryParse(cell, CultureInfo.InvariantCulture, out var v) && double.IsFinite(v) ? v : null,
        "binary" => zip.GetEntry(cell) is { } entry ? Bytes(entry) : null,
        _ => cell.StartsWith('\\') ? cell[1..] : cell,
    };

    private static byte[] Bytes(ZipArchiveEntry entry)
    {
        using var from = entry.Open();
        using var to = new MemoryStream();
        from.CopyTo(to);
        return to.ToArray();
    }

    private static string Cut(string text) => text.Length > 40 ? text[..40] + "…" : text;

    private static ZipArchiveEntry Entry(ZipArchive zip, string path, CompressionLevel level = CompressionLevel.Optimal)
    {
        var entry = zip.CreateEntry(path, level);
        entry.LastWriteTime = Still; // so that the same holding gives the same bytes
        return entry;
    }

    private static List<string> Tables(SqliteConnection file) => Texts(file, $"""
        SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite\_%' ESCAPE '\' AND name <> '__EFMigrationsLock'
        AND substr(name, 1, {HoldingFile.PeoplesTables.Length}) <> '{HoldingFile.PeoplesTables}' ORDER BY name
        """);

    private static List<ZipField> Fields(SqliteConnection file, string table) => [.. Texts(file,
        $"SELECT name || '|' || upper(type) FROM pragma_table_info('{table}') ORDER BY cid").Select(x => x.Split('|')).Select(x =>
            new ZipField(x[0], x[1] switch { "INTEGER" => "integer", "REAL" => "number", "BLOB" => "binary", _ => "string" }))];

    private static List<string> Texts(SqliteConnection file, string sql)
    {
        using var ask = file.CreateCommand();
        ask.CommandText = sql;
        using var row = ask.ExecuteReader();
        List<string> texts = [];
        while (row.Read())
        {
            texts.Add(row.GetString(0));
        }

        return texts;
    }
}
