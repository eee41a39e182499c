using System.Text;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace MudPie.Records;

/// <summary>What a holding's file is found to be, before anything is done to it.</summary>
/// <param name="Trouble">Why it can't be opened; null where it can.</param>
/// <param name="IsEmpty">There is nothing in it yet, or it is not there: it can be made.</param>
/// <param name="Pending">What it lacks of this version, oldest first.</param>
/// <param name="IsDemo">It holds nothing but the demo.</param>
public sealed record HoldingFileState(FileTrouble? Trouble, bool IsEmpty = false, IReadOnlyList<string>? Pending = null,
    bool IsDemo = false)
{
    private static readonly byte[] Header = Encoding.ASCII.GetBytes("SQLite format 3\0");

    /// <summary>Looks at a file; changes nothing but what SQLite itself recovers from its log.</summary>
    public static HoldingFileState Of(string path)
    {
        try
        {
            return Look(Path.GetFullPath(path));
        }
        catch (Exception e) when (FileTrouble.Of(e) is { } trouble)
        {
            return new(trouble.Kind is "damaged" ? WithLastCopy(trouble, path) : trouble);
        }
    }

    private static HoldingFileState Look(string path)
    {
        if (Path.GetFileName(path) is "" or ":memory:" || Directory.Exists(path))
        {
            return new(new FileTrouble("not ours", Directory.Exists(path) ? "That is a folder, not a file." : "That is no name for a file.",
                "Name a file, such as holding.mudpie."));
        }

        if (!File.Exists(path) || new FileInfo(path).Length == 0)
        {
            var what = File.Exists(path) ? $"{path} is empty" : $"There is no {path}";
            return LastCopy(path) is { } copy
                ? new(new FileTrouble("missing", $"{what}, and a copy of it lies beside.",
                    $"Put the last copy in its place: ./mudpie restore \"{copy}\" \"{path}\". To begin a new holding, give another name."))
                : new(null, true);
        }

        if (!Begins(path))
        {
            return new(FileTrouble.NotOurs);
        }

        using var connection = HoldingFile.Connect(path, SqliteOpenMode.ReadWrite);
        if (Text(connection, "PRAGMA quick_check(1)") is not "ok")
        {
            return new(WithLastCopy(FileTrouble.Damaged, path));
        }

        var tables = All(connection, "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%'");
        if (tables.Count == 0)
        {
            return new(null, true);
        }

        var applied = tables.Contains("__EFMigrationsHistory")
            ? All(connection, "SELECT MigrationId FROM \"__EFMigrationsHistory\" ORDER BY MigrationId") : null;
        if (applied is { Count: 0 } || tables.TrueForAll(t => t.StartsWith("__EFMigrations", StringComparison.Ordinal)))
        {
            // a first start that was killed, before anything was in it
            return new(tables.TrueForAll(t => t.StartsWith("__EFMigrations", StringComparison.Ordinal)) ? null : FileTrouble.NotOurs, true);
        }

        if (applied is null || !tables.Contains("Holdings"))
        {
            return new(FileTrouble.NotOurs);
        }

        using var db = new HoldingDb((DbContextOptions<HoldingDb>)new DbContextOptionsBuilder<HoldingDb>().UseHolding(path).Options);
        var known = db.Database.GetMigrations().ToList();
        var isDemo = Text(connection, "SELECT count(*) FROM Holdings WHERE IsDemo = 0") is "0";
        if (applied.Find(a => !known.Contains(a) && !FirstFile.Knows(a)) is not null)
        {
            return new(new FileTrouble("newer", "A newer Mud Pie has written this file.",
                "It was left as it is. Open it with that version or a later one; a copy made before it was brought up to date can be "
                    + "opened with this one."), IsDemo: isDemo);
        }

        if (!FirstFile.Stands(applied) && applied.Exists(FirstFile.Knows))
        {
            return new(new FileTrouble("older", "This file is older than the first release of Mud Pie.",
                "It was left as it is. Open it once with the last version before, which brings it up to date, and then with this one."),
                IsDemo: isDemo);
        }

        return new(null, false, [.. known.Except(applied)], isDemo);
    }

    private static FileTrouble WithLastCopy(FileTrouble trouble, string path) => LastCopy(Path.GetFullPath(path)) is { } copy
        ? trouble with {
            WayOut =
            "Nothing in it was changed. Put the last copy in its place, which keeps the damaged one beside it: ./mudpie restore "
                + $"\"{copy}\" \"{path}\""
        }
        : trouble with {
            WayOut =
            "Nothing in it was changed, and no copy lies beside it. If you made one elsewhere, put it in its place: ./mudpie restore "
                + $"COPY \"{path}\""
        };

    /// <summary>The newest sound copy that lies beside a file under its name, or among its dated copies; null where there is
    /// none.</summary>
    public static string? LastCopy(string path)
    {
        var (folder, name) = (Path.GetDirectoryName(path)!, Path.GetFileName(path));
        return Directory.Exists(folder)
            ? new DirectoryInfo(folder).EnumerateFiles().Where(f => f.Name.StartsWith(name + ".", StringComparison.Ordinal)
                && f.Name[name.Length..] is not (".new" or ".lock"))
                .Concat(DatedCopies.In(DatedCopies.Folder(path), path).Select(c => new FileInfo(c.Path)))
                .Where(f => !EndsOfParts.Any(end => f.Name.EndsWith(end, StringComparison.Ordinal))
                    && f.Length > Header.Length && Begins(f.FullName))
                .OrderByDescending(f => f.LastWriteTimeUtc).FirstOrDefault(f => IsWhole(f.FullName))?.FullName
            : null;
    }

    private static readonly string[] EndsOfParts = ["-wal", "-shm", "-journal", ".part"];

    /// <summary>Looks at every page of a file and every index, which takes about a second for 100 MB.</summary>
    /// <returns>False where anything in it does not hold together.</returns>
    public static bool IsWhole(string path)
    {
        try
        {
            using var connection = HoldingFile.Connect(path, SqliteOpenMode.ReadOnly);
            return Text(connection, "PRAGMA integrity_check(1)") is "ok";
        }
        catch (Exception e) when (FileTrouble.Of(e) is not null)
        {
            return false;
        }
    }

    private static bool Begins(string path)
    {
        using var file = new FileStream(path, FileMode.Open, FileAccess.Read, FileShare.ReadWrite | FileShare.Delete);
        var start = new byte[Header.Length];
        return file.ReadAtLeast(start, start.Length, false) == start.Length && start.AsSpan().SequenceEqual(Header);
    }

    private static string? Text(SqliteConnection connection, string sql) => All(connection, sql).FirstOrDefault();

    private static List<string> All(SqliteConnection connection, string sql)
    {
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        using var reader = command.ExecuteReader();
        var all = new List<string>();
        while (reader.Read())
        {
            all.Add(reader.GetString(0));
        }

        return all;
    }
}
