using System.Data.Common;
using System.Runtime.CompilerServices;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace MudPie.Records;

/// <summary>Opens a holding's file: makes it beside and renames it into place, brings an older one up to date the same way, and says in
/// words what is wrong with one that can't be opened.</summary>
/// <remarks>Whoever prepares, restores or serves a file holds its <see cref="HoldingLease"/>, so nothing beside it can be anybody
/// else's.</remarks>
public static class HoldingFile
{
    /// <summary>Settings that make an acknowledged write survive a kill or a power cut.</summary>
    public const string Pragmas = "PRAGMA busy_timeout=5000; PRAGMA journal_mode=WAL; PRAGMA synchronous=FULL; PRAGMA foreign_keys=ON;";

    // also where EF looks whether a file is there at all, and where one is copied: SQLite itself waits then, the driver does not
    private const string OnlyToRead = "PRAGMA busy_timeout=5000;";

    private const int PatienceSeconds = 5;

    /// <summary>What the tables of people begin with: a copy of the file has them, a zip of open files does not.</summary>
    public const string PeoplesTables = "People_";

    /// <summary>Points a context at a file.</summary>
    /// <param name="options">Of the context.</param>
    /// <param name="path">The file.</param>
    /// <param name="history">The table in which its steps stand, where it is not the record's own.</param>
    public static DbContextOptionsBuilder UseHolding(this DbContextOptionsBuilder options, string path, string? history = null) =>
        options.Use(path, true, history);

    private static DbContextOptionsBuilder Use(this DbContextOptionsBuilder options, string path, bool pooling, string? history = null) =>
        options.UseSqlite(new SqliteConnectionStringBuilder {
            DataSource = path, Pooling = pooling,
            DefaultTimeout = PatienceSeconds
        }.ToString(), o => o.MigrationsHistoryTable(history ?? "__EFMigrationsHistory"))
            // SQLite rebuilds a table to change it, which it can't do inside a transaction: hence all of it is done on a copy.
            .ConfigureWarnings(w => w.Ignore(RelationalEventId.NonTransactionalMigrationOperationWarning))
            .AddInterceptors(new PragmaInterceptor(), new PatientCommands());

    private static HoldingDb Beside(string path) =>
        new((DbContextOptions<HoldingDb>)new DbContextOptionsBuilder<HoldingDb>().Use(path, false).Options);

    /// <summary>Makes the file if there is none; copies it beside itself and brings it up to date if it is older. A kill at any moment
    /// leaves the file as it was, or as it should be.</summary>
    /// <param name="path">The file.</param>
    /// <param name="fill">What goes into a new file before it is put in place; null for an empty one.</param>
    /// <returns>The path of the copy of an older file as it was, or null where none was needed.</returns>
    /// <exception cref="HoldingFileException">It can't be opened; the reason in words.</exception>
    public static string? Prepare(string path, Action<HoldingDb>? fill = null)
    {
        path = Path.GetFullPath(path);
        var copy = Made(path, fill);
        Settings(path);
        return copy;
    }

    /// <summary>Sets the file itself to keep a log, while nobody else has it open: several that open a file for the first time at once
    /// would stand in each other's way.</summary>
    private static void Settings(string path)
    {
        using var alone = Connect(path, SqliteOpenMode.ReadWrite);
        Run(alone, Pragmas);
    }

    private static string? Made(string path, Action<HoldingDb>? fill)
    {
        Sweep(path);
        Writable(path);
        SweepParts(path);
        var state = HoldingFileState.Of(path);
        if (state.Trouble is { } trouble)
        {
            throw new HoldingFileException(trouble);
        }

        if (state.IsEmpty)
        {
            MakeNew(path, fill);
            return null;
        }

        if (state.Pending is not [.., var last])
        {
            return null;
        }

        var copy = $"{path}.before-{last}";
        HoldingCopies.Copy(path, copy, replace: true);
        Make(path, fresh =>
        {
            HoldingCopies.Copy(path, fresh, replace: true);
            BringUp(fresh);
        });
        return copy;
    }

    /// <summary>Brings a file up to date that nobody has open.</summary>
    internal static void BringUp(string fresh)
    {
        using var db = Beside(fresh);
        FirstFile.BringUp(fresh, db.Database.GetMigrations().First());
        // of one that was killed: whoever asks now holds the lease
        db.Database.ExecuteSqlRaw("DROP TABLE IF EXISTS \"__EFMigrationsLock\"");
        db.Database.Migrate();
        Close(db);
    }

    /// <summary>Makes a file beside another and puts it in its place; where that fails nothing half made is left.</summary>
    private static void Make(string path, Action<string> make)
    {
        try
        {
            make(Aside(path));
            PutInPlace(Aside(path), path);
        }
        catch
        {
            foreach (var left in Halves(path))
            {
                HoldingCopies.TryDelete(left);
            }

            throw;
        }
    }

    /// <summary>Makes the demo anew, beside, and puts it in the place of the last one.</summary>
    /// <param name="path">The demo's file.</param>
    /// <param name="fill">What goes into it.</param>
    /// <exception cref="HoldingFileException">What lies there is no demo.</exception>
    public static void PrepareDemo(string path, Action<HoldingDb> fill)
    {
        path = Path.GetFullPath(path);
        Sweep(path);
        Writable(path);
        if (HoldingFileState.Of(path) is { IsEmpty: false, IsDemo: false } state && File.Exists(path))
        {
            throw new HoldingFileException(state.Trouble is { Kind: not ("not ours" or "damaged") } trouble
                ? trouble : new FileTrouble("not ours", $"{path} holds a real holding or something else, and the demo would overwrite it.",
                    "It was left as it is. Move it, or give the demo another folder with TMPDIR."));
        }

        MakeNew(path, fill);
        Settings(path);
    }

    private static void Writable(string path)
    {
        try
        {
            if (File.Exists(path))
            {
                new FileStream(path, FileMode.Open, FileAccess.ReadWrite, FileShare.ReadWrite | FileShare.Delete).Dispose();
            }
        }
        catch (Exception e) when (e is UnauthorizedAccessException || FileTrouble.Of(e) is not null)
        {
            throw new HoldingFileException(e is UnauthorizedAccessException ? FileTrouble.OnlyRead : FileTrouble.Of(e)!, e);
        }
    }

    private static void MakeNew(string path, Action<HoldingDb>? fill) =>
        Make(path, fresh =>
        {
            using var db = Beside(fresh);
            db.Database.Migrate();
            fill?.Invoke(db);
            Close(db);
        });

    /// <summary>Puts a whole file in another's place at one stroke, with nothing of the old one's log left beside it.</summary>
    internal static void PutInPlace(string fresh, string path)
    {
        Settle(path);
        File.Move(fresh, path, overwrite: true);
    }

    /// <summary>Brings what stands in the log into the file, so that the file alone is the whole of it; to be called by whoever holds the
    /// lease, while nobody has it open.</summary>
    /// <param name="path">The file.</param>
    /// <exception cref="HoldingFileException">It can't be had.</exception>
    public static void Alone(string path)
    {
        try
        {
            Settle(path);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or SqliteException)
        {
            throw FileTrouble.Of(e) is { } why ? new HoldingFileException(why, e) : e;
        }
    }

    /// <summary>The same, unsaid.</summary>
    internal static void Settle(string path)
    {
        SqliteConnection.ClearAllPools(); // one that waits in a pool would go on writing to the file that is being replaced
        if (File.Exists(path) && new FileInfo(path).Length > 0)
        {
            using var old = Connect(path, SqliteOpenMode.ReadWrite);
            Run(old, "PRAGMA wal_checkpoint(TRUNCATE); PRAGMA journal_mode=DELETE;");
        }

        foreach (var log in new[] { path + "-wal", path + "-shm" })
        {
            File.Delete(log);
        }
    }

    private static void Close(HoldingDb db) => db.Database.ExecuteSqlRaw("PRAGMA wal_checkpoint(TRUNCATE); PRAGMA journal_mode=DELETE;");

    /// <summary>Where a file is made before it takes its place.</summary>
    internal static string Aside(string path) => path + ".new";

    /// <summary>Takes away what a killed start left half made.</summary>
    internal static void Sweep(string path)
    {
        foreach (var left in Halves(path))
        {
            File.Delete(left);
        }
    }

    /// <summary>The same, of what passed through beside it; to be called by whoever opens it.</summary>
    private static void SweepParts(string path)
    {
        foreach (var left in Directory.EnumerateFiles(Path.GetDirectoryName(Path.GetFullPath(path))!, Path.GetFileName(path) + ".*.part*"))
        {
            HoldingCopies.TryDelete(left);
        }
    }

    /// <summary>A name for what passes through beside a file; what a killed server left of it goes with the next start.</summary>
    public static string Part(string path) => $"{path}.{Guid.NewGuid():N}.part";

    private static IEnumerable<string> Halves(string path) => new[] { "", "-wal", "-shm", "-journal" }.Select(end => Aside(path) + end);

    internal static SqliteConnection Connect(string path, SqliteOpenMode mode)
    {
        var connection = new SqliteConnection(new SqliteConnectionStringBuilder {
            DataSource = Path.GetFullPath(path), Mode = mode,
            Pooling = false, DefaultTimeout = PatienceSeconds
        }.ToString());
        connection.Open();
        Run(connection, OnlyToRead);
        return connection;
    }

    internal static void Run(SqliteConnection connection, string sql)
    {
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        command.ExecuteNonQuery();
    }

    /// <summary>Sets up a connection to SQLite the first time that it is opened; one that comes out of the pool again stands as it was
    /// left.</summary>
    private sealed class PragmaInterceptor : DbConnectionInterceptor
    {
        private static readonly ConditionalWeakTable<SQLitePCL.sqlite3, object> Ready = [];

        public override void ConnectionOpened(DbConnection connection, ConnectionEndEventData eventData)
        {
            var handle = ((SqliteConnection)connection).Handle!;
            if (Ready.TryGetValue(handle, out _))
            {
                return;
            }

            using var command = connection.CreateCommand();
            command.CommandText = new SqliteConnectionStringBuilder(connection.ConnectionString).Mode == SqliteOpenMode.ReadOnly
                ? OnlyToRead : Pragmas;
            command.ExecuteNonQuery();
            // With these, a write from a stale snapshot says so at once; without, it looks like a busy file and is tried again for seconds.
            // Not sooner: the driver knows the plain code of a busy file only, and would give up where another connection is just reading
            // the log in.
            SQLitePCL.raw.sqlite3_extended_result_codes(handle, 1);
            Ready.AddOrUpdate(handle, Ready);
        }

        public override Task ConnectionOpenedAsync(DbConnection connection, ConnectionEndEventData eventData,
            CancellationToken cancellationToken = default)
        {
            ConnectionOpened(connection, eventData);
            return Task.CompletedTask;
        }
    }
}

/// <summary>For the migrations tool only.</summary>
internal sealed class DesignTimeFactory : IDesignTimeDbContextFactory<HoldingDb>
{
    public HoldingDb CreateDbContext(string[] args) =>
        new((DbContextOptions<HoldingDb>)new DbContextOptionsBuilder<HoldingDb>().UseHolding("design.mudpie").Options);
}
