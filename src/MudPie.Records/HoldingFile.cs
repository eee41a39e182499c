using System.Data.Common;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace MudPie.Records;

/// <summary>Opens a holding's file, and brings an older one up to date after copying it.</summary>
public static class HoldingFile
{
    /// <summary>Settings that make an acknowledged write survive a kill or a power cut.</summary>
    public const string Pragmas = "PRAGMA journal_mode=WAL; PRAGMA synchronous=FULL; PRAGMA foreign_keys=ON; PRAGMA busy_timeout=5000;";

    /// <summary>Points a context at a file.</summary>
    public static DbContextOptionsBuilder UseHolding(this DbContextOptionsBuilder options, string path) =>
        options.UseSqlite(new SqliteConnectionStringBuilder { DataSource = path, Pooling = true }.ToString())
            // SQLite rebuilds a table to change it, which it can't do inside a transaction: hence the copy that Prepare makes first.
            .ConfigureWarnings(w => w.Ignore(RelationalEventId.NonTransactionalMigrationOperationWarning))
            .AddInterceptors(new PragmaInterceptor());

    /// <summary>Makes the file if there is none; copies it beside itself and migrates it if it is older.</summary>
    /// <returns>The copy's path, or null where none was needed.</returns>
    public static string? Prepare(HoldingDb db, string path)
    {
        var pending = db.Database.GetPendingMigrations().ToList();
        string? copy = null;
        if (pending.Count > 0 && File.Exists(path) && db.Database.GetAppliedMigrations().Any())
        {
            copy = $"{path}.before-{pending[^1]}";
            Copy(path, copy);
        }

        db.Database.Migrate();
        return copy;
    }

    /// <summary>A whole copy of a holding's file, safe while it is in use.</summary>
    public static void Copy(string from, string to)
    {
        using var source = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = from, Mode = SqliteOpenMode.ReadOnly, Pooling = false }.ToString());
        using var target = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = to, Pooling = false }.ToString());
        source.Open();
        target.Open();
        source.BackupDatabase(target);
    }

    private sealed class PragmaInterceptor : DbConnectionInterceptor
    {
        public override void ConnectionOpened(DbConnection connection, ConnectionEndEventData eventData)
        {
            using var command = connection.CreateCommand();
            command.CommandText = Pragmas;
            command.ExecuteNonQuery();
        }

        public override async Task ConnectionOpenedAsync(DbConnection connection, ConnectionEndEventData eventData, CancellationToken cancellationToken = default)
        {
            await using var command = connection.CreateCommand();
            command.CommandText = Pragmas;
            await command.ExecuteNonQueryAsync(cancellationToken);
        }
    }
}

/// <summary>For the migrations tool only.</summary>
internal sealed class DesignTimeFactory : IDesignTimeDbContextFactory<HoldingDb>
{
    public HoldingDb CreateDbContext(string[] args) =>
        new((DbContextOptions<HoldingDb>)new DbContextOptionsBuilder<HoldingDb>().UseHolding("design.mudpie").Options);
}
