using Microsoft.Data.Sqlite;

namespace MudPie.Records.Demo;

/// <summary>The demo holding's own file, made anew at each start so that it is always relative to now.</summary>
public static class DemoFile
{
    /// <summary>Deletes a demo file with its log. Refuses to touch a file that is not a demo.</summary>
    /// <exception cref="IOException">The file holds a real holding.</exception>
    public static void Clear(string path)
    {
        if (!File.Exists(path))
        {
            return;
        }

        if (!IsDemo(path))
        {
            throw new IOException("It holds a real holding, and the demo would overwrite it.");
        }

        foreach (var file in new[] { path, path + "-wal", path + "-shm" })
        {
            File.Delete(file);
        }
    }

    private static bool IsDemo(string path)
    {
        using var connection = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = path, Pooling = false }.ToString());
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = "SELECT count(*) FROM sqlite_master WHERE name = 'Holdings'";
        if ((long)command.ExecuteScalar()! == 0)
        {
            return true;
        }

        command.CommandText = "SELECT count(*) FROM Holdings WHERE IsDemo = 0";
        return (long)command.ExecuteScalar()! == 0;
    }
}
