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

            if (HoldingFileState.Of(part).Trouble is { } trouble)
            {
                throw new HoldingFileException(trouble);
            }

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
                kept = Free($"{target}.before-restore");
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

    internal static void TryDelete(string path)
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
