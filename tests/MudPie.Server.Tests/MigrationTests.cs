using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Migrations;
using Microsoft.EntityFrameworkCore.Migrations.Operations;
using MudPie.Records;

namespace MudPie.Server.Tests;

/// <summary>Step by step a file comes to the very shape that a new one would be given.</summary>
public class MigrationTests
{
    private static HoldingDb Open(string file) =>
        new((DbContextOptions<HoldingDb>)new DbContextOptionsBuilder<HoldingDb>().UseHolding(file).Options);

    /// <summary>Every column, key and index of a file, in words.</summary>
    private static List<string> Shape(string file)
    {
        using var connection = new SqliteConnection($"Data Source={file};Pooling=False");
        connection.Open();
        List<string> Read(string sql)
        {
            using var command = connection.CreateCommand();
            command.CommandText = sql;
            using var rows = command.ExecuteReader();
            var told = new List<string>();
            while (rows.Read())
            {
                told.Add(string.Join(' ', Enumerable.Range(0, rows.FieldCount).Select(i => rows.IsDBNull(i) ? "-" : rows.GetString(i))));
            }

            return told;
        }

        var tables = Read("SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' AND name NOT LIKE '\\_\\_EF%' "
            + "ESCAPE '\\' ORDER BY name");
        return [.. tables.SelectMany(t => Read($"SELECT name, type, \"notnull\", pk FROM pragma_table_info('{t}') ORDER BY name")
            .Concat(Read($"SELECT 'to', \"table\", \"from\", on_delete FROM pragma_foreign_key_list('{t}') ORDER BY \"from\""))
            .Concat(Read($"SELECT 'index', name, \"unique\" FROM pragma_index_list('{t}') WHERE origin = 'c' ORDER BY name"))
            .Select(line => $"{t}: {line}"))];
    }

    [Fact]
    public void Migrated_step_by_step_a_file_has_the_shape_of_the_model()
    {
        var folder = Directory.CreateTempSubdirectory("mudpie-migrated-").FullName;
        var (stepped, made) = (Path.Combine(folder, "stepped.db"), Path.Combine(folder, "made.db"));
        using (var db = Open(stepped))
        {
            db.Database.Migrate();
        }

        using (var db = Open(made))
        {
            db.Database.EnsureCreated();
        }

        var shape = Shape(made);
        shape.Count.ShouldBeGreaterThan(500);
        Shape(stepped).ShouldBe(shape);
    }

    [Fact]
    public void A_migration_whose_model_was_taken_out_builds_no_table_anew()
    {
        var all = typeof(HoldingDb).Assembly.GetTypes().Where(t => t.IsSubclassOf(typeof(Migration)))
            .Select(t => (Migration)Activator.CreateInstance(t)!).ToList();
        all.Count.ShouldBeGreaterThan(8);
        foreach (var migration in all.Where(m => !m.TargetModel.GetEntityTypes().Any()))
        {
            migration.UpOperations.Where(o => o is not (CreateTableOperation or CreateIndexOperation or AddColumnOperation or SqlOperation))
                .Select(o => o.GetType().Name).ShouldBeEmpty($"{migration.GetType().Name} lacks its model, and SQLite needs it.");
        }
    }
}
