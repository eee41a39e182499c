using Microsoft.Data.Sqlite;

namespace MudPie.Records;

/// <summary>A look into a holding's file that nobody has to have open: whether something goes on in it, and how it is called.</summary>
public static class HoldingGlance
{
    /// <summary>Whether a brew is going or a probe hangs in one, so that somebody has to look after it.</summary>
    /// <param name="path">The file, open or not, of this version or an older one.</param>
    /// <returns>False also where it can't be read.</returns>
    public static bool GoesOn(string path) => Ask(path, """
        SELECT EXISTS (SELECT 1 FROM Batches WHERE State IN ('brewing', 'off'))
            OR EXISTS (SELECT 1 FROM Probes WHERE DetachedAt IS NULL)
        """) is 1L;

    /// <summary>What the growers call it.</summary>
    /// <param name="path">The file.</param>
    /// <returns>Null before it is set up, and where it can't be read.</returns>
    public static string? Title(string path) => Ask(path, "SELECT Name FROM Holdings ORDER BY Id LIMIT 1") as string;

    private static object? Ask(string path, string question)
    {
        try
        {
            using var file = HoldingFile.Connect(path, SqliteOpenMode.ReadOnly);
            using var ask = file.CreateCommand();
            ask.CommandText = question;
            return ask.ExecuteScalar();
        }
        catch (SqliteException)
        {
            return null;
        }
    }
}
