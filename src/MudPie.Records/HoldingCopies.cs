using Microsoft.Data.Sqlite;

namespace MudPie.Records;

/// <summary>Copies of a holding's file, and putting one back in its place.</summary>
public static class HoldingCopies
{
    /// <summary>A whole copy of a holding's file, safe while it is in use: made beside, checked, and only then given its name.</summary>
    /// <param name="from">A holding's file.</param>
    /// <param name="to">Where to.</param>
    /// <param name="replace">Whether a copy of that name may be replaced.</param>
    /// <exception cref="HoldingFileException">It can't be had; nothing lies at <paramref name="to"/> that did not before.</exception>
    public static void Copy(string from, string to, bool replace = false)
    {
        var part = to + ".part";
        try
        {
            File.Delete(part);
            using (var source = HoldingFile.Connect(from, SqliteOpenMode.ReadWrite))
            using (var target = HoldingFile.Connect(part, SqliteOpenMode.ReadWriteCreate))
            {
                source.BackupDatabase(target);
                HoldingFile.Run(target, "PRAGMA journal_mode=DELETE;");
            }

            if ((HoldingFileState.Of(part).Trouble ?? (HoldingFileState.IsWhole(part) ? null : FileTrouble.Damaged)) is { } trouble)
            {
                throw new HoldingFileException(trouble);
            }

            OnlyMine(part);
            File.Move(part, to, replace);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or SqliteException)
        {
            foreach (var left in new[] { part, part + "-wal", part + "-shm", part + "-journal" })
            {
                TryDelete(left);
            }

            throw e is HoldingFileException || FileTrouble.Of(e) is not { } why ? e : new HoldingFileException(why, e);
        }
    }

    /// <summary>Puts a copy in a holding's place at one stroke; to be called by whoever holds the lease.</summary>
    /// <param name="copy">A sound holding's file.</param>
    /// <param name="target">The place. What lies there, sound or not, is kept beside it.</param>
    /// <returns>Where what was there is kept; null where nothing was.</returns>
    /// <exception cref="HoldingFileException">It can't be done; the target is as it was.</exception>
    public static string? Restore(string copy, string target)
    {
        var fresh = HoldingFile.Aside(target);
        HoldingFile.Sweep(target);
        Copy(copy, fresh, replace: true);
        string? kept = null;
        try
        {
            if (File.Exists(target))
            {
                if (HoldingFileState.Of(target) is { Trouble: null, IsEmpty: false })
                {
                    CarryPeople(target, fresh);
                }

                kept = Free(BeforeRestore(target));
                Keep(target, kept);
            }

            HoldingFile.PutInPlace(fresh, target);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or SqliteException)
        {
            TryDelete(fresh);
            throw FileTrouble.Of(e) is { } why ? new HoldingFileException(why, e) : e;
        }

        return kept;
    }

    /// <summary>Puts a copy's record into a holding that is open and goes on being open, as one write: whoever reads sees all of it or
    /// nothing. To be called within the turn at writing.</summary>
    /// <param name="copy">A sound copy, of this version or an older one.</param>
    /// <param name="live">The holding that is open. What it was is kept beside it.</param>
    /// <returns>Where what was there is kept.</returns>
    /// <exception cref="HoldingFileException">It can't be done; the holding is as it was.</exception>
    /// <remarks>Who may come in, and what happened at the door, stay as they are: a phone that was struck off stays so.</remarks>
    public static string PutBack(string copy, string live)
    {
        var fresh = HoldingFile.Aside(live);
        try
        {
            HoldingFile.Sweep(live);
            Copy(copy, fresh, replace: true);
            HoldingFile.BringUp(fresh);
            CarryPeople(live, fresh);
            var kept = Free(BeforeRestore(live));
            Copy(live, kept);
            using (var source = HoldingFile.Connect(fresh, SqliteOpenMode.ReadWrite))
            using (var target = HoldingFile.Connect(live, SqliteOpenMode.ReadWrite))
            {
                HoldingFile.Run(target, HoldingFile.Pragmas);
                source.BackupDatabase(target);
            }

            return kept;
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or SqliteException)
        {
            throw e is HoldingFileException || FileTrouble.Of(e) is not { } why ? e : new HoldingFileException(why, e);
        }
        finally
        {
            foreach (var left in new[] { fresh, fresh + "-wal", fresh + "-shm", fresh + "-journal" })
            {
                TryDelete(left);
            }
        }
    }

    /// <summary>The people of one file put in the place of another's, tables and all; where the first has none, the other's stay.</summary>
    private static void CarryPeople(string from, string to)
    {
        using var into = HoldingFile.Connect(to, SqliteOpenMode.ReadWrite);
        using (var attach = into.CreateCommand())
        {
            attach.CommandText = "PRAGMA foreign_keys=OFF; ATTACH $from AS now";
            attach.Parameters.AddWithValue("$from", Path.GetFullPath(from));
            attach.ExecuteNonQuery();
        }

        const string Theirs = " AND substr(tbl_name, 1, 7) = 'People_' AND sql IS NOT NULL AND name NOT LIKE 'sqlite_%'";
        var made = Rows(into, "SELECT type, name, sql FROM now.sqlite_master WHERE type IN ('table', 'index')" + Theirs
            + " ORDER BY type DESC, rowid");
        if (made.Count > 0)
        {
            using var all = into.BeginTransaction();
            foreach (var old in Rows(into, "SELECT 'table', name, '' FROM main.sqlite_master WHERE type = 'table'" + Theirs))
            {
                HoldingFile.Run(into, $"DROP TABLE main.\"{old.Name}\"");
            }

            foreach (var (type, name, sql) in made)
            {
                HoldingFile.Run(into, sql);
                if (type == "table")
                {
                    HoldingFile.Run(into, $"INSERT INTO main.\"{name}\" SELECT * FROM now.\"{name}\"");
                }
            }

            all.Commit();
        }

        HoldingFile.Run(into, "DETACH now");
    }

    private static List<(string Type, string Name, string Sql)> Rows(SqliteConnection file, string sql)
    {
        using var ask = file.CreateCommand();
        ask.CommandText = sql;
        using var row = ask.ExecuteReader();
        List<(string, string, string)> rows = [];
        while (row.Read())
        {
            rows.Add((row.GetString(0), row.GetString(1), row.GetString(2)));
        }

        return rows;
    }

    /// <summary>What stood in a holding's place is kept under this name, or one with a number behind it.</summary>
    public static string BeforeRestore(string holding) => $"{holding}.before-restore";

    /// <summary>A copy holds what lets people in: nobody else of this machine reads it.</summary>
    private static void OnlyMine(string path)
    {
        if (!OperatingSystem.IsWindows())
        {
            File.SetUnixFileMode(path, UnixFileMode.UserRead | UnixFileMode.UserWrite);
        }
    }

    /// <summary>Keeps a file under another name as it is: as one whole where it is sound, else with its log.</summary>
    private static void Keep(string target, string kept)
    {
        if (HoldingFileState.Of(target) is { Trouble: null, IsEmpty: false })
        {
            Copy(target, kept);
            return;
        }

        foreach (var part in new[] { "", "-wal" }.Where(p => File.Exists(target + p)))
        {
            File.Copy(target + part, kept + part);
        }

        foreach (var part in new[] { "-wal", "-shm", "" })
        {
            File.Delete(target + part); // of a damaged one nothing can be brought into the file first
        }
    }

    private static string Free(string name) => Enumerable.Range(1, 9999).Select(i => i == 1 ? name : $"{name}-{i}")
        .First(n => !File.Exists(n));

    /// <summary>Takes a file away; one that can't be stays, named as a part.</summary>
    public static void TryDelete(string path)
    {
        try
        {
            File.Delete(path);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            // It stays, named as a part: nothing takes it for a copy.
        }
    }
}
