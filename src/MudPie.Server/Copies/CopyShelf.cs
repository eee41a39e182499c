using Microsoft.Data.Sqlite;
using Microsoft.Extensions.Caching.Memory;
using MudPie.Core.Keeping;
using MudPie.Records;
using MudPie.Server.Held;
using MudPie.Server.People;
using MudPie.Server.Web;

namespace MudPie.Server.Copies;

/// <summary>How the copies of one place stand.</summary>
/// <param name="Folder">The place.</param>
/// <param name="Newest">Day of the newest copy; null where there is none.</param>
/// <param name="AgeDays">Its age in whole days; null where there is none.</param>
/// <param name="Old">It is older than two days, or there is none although there should be.</param>
/// <param name="Trouble">Why the last one could not be made; null where it could.</param>
public sealed record CopyPlace(string Folder, DateOnly? Newest, int? AgeDays, bool Old, string? Trouble);

/// <summary>The holding's dated copies: made at night or when somebody asks, beside the file and at a second place, and put back.</summary>
/// <param name="settings">Of the server: <c>Holding:Second</c> names the second place, <c>Holding:Copies</c> is false where none are made
/// at night.</param>
/// <param name="place">Where the holding lies.</param>
/// <param name="turns">The turn at writing.</param>
/// <param name="cache">What is kept in memory of the record.</param>
/// <param name="feed">Pages that are open.</param>
/// <param name="scopes">At the holding.</param>
public sealed class CopyShelf(IConfiguration settings, HoldingPlace place, WriteTurns turns, IMemoryCache cache, LiveFeed feed,
    HoldingScopes scopes)
{
    private readonly WriteTurns _one = new();
    private volatile string? _besideTrouble;
    private volatile string? _secondTrouble;

    /// <summary>The holding's file.</summary>
    public string Holding { get; } = place.File;

    /// <summary>True where copies are made at night.</summary>
    public bool Nightly { get; } = settings.GetValue("Holding:Copies", settings.GetValue("Holding:Background", true));

    /// <summary>Where they lie beside the file.</summary>
    public string Beside => DatedCopies.Folder(Holding);

    /// <summary>The second place as it was named; null where none is.</summary>
    public string? Second { get; } = settings["Holding:Second"] is { Length: > 0 } named ? Path.GetFullPath(named) : null;

    /// <summary>Folder of this holding at the second place: several holdings may name one.</summary>
    /// <param name="own">The holding's own sign.</param>
    public string? SecondFolder(Guid own) => Second is null ? null
        : Path.Combine(Second, $"{Path.GetFileNameWithoutExtension(Holding)}-{own.ToString("N")[..8]}");

    /// <summary>How it stands beside the file.</summary>
    public CopyPlace HowBeside(DateTimeOffset local) => How(Beside, _besideTrouble, local);

    /// <summary>How it stands at the second place; null where none is named.</summary>
    public CopyPlace? HowSecond(DateTimeOffset local, Guid own) =>
        SecondFolder(own) is { } folder ? How(folder, _secondTrouble, local) : null;

    private CopyPlace How(string folder, string? trouble, DateTimeOffset local)
    {
        var newest = CopyRotation.Newest(local, Days(folder));
        int? age = newest is { } day ? CopyRotation.AgeDays(local, day) : null;
        return new CopyPlace(folder, newest, age, Nightly && (age is null or > CopyRotation.OldDays), trouble);
    }

    private IEnumerable<DateOnly> Days(string folder)
    {
        try
        {
            return DatedCopies.In(folder, Holding).Select(c => c.Day);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            return [];
        }
    }

    /// <summary>Makes what is due of the night's copies.</summary>
    /// <param name="local">Now, in the holding's own zone.</param>
    /// <param name="own">The holding's own sign.</param>
    /// <param name="stop">When nobody waits any more.</param>
    /// <returns>How many were made: 0, 1 or 2.</returns>
    public Task<int> MakeDue(DateTimeOffset local, Guid own, CancellationToken stop) => InTurn(() =>
    {
        var made = 0;
        foreach (var folder in new[] { Beside, SecondFolder(own) }.OfType<string>())
        {
            var nights = NightsOf(folder);
            if (CopyRotation.Due(local, CopyRotation.Newest(local, nights)) is { } day && Make(folder, day, null) is null)
            {
                made++;
            }
        }

        return made;
    }, stop);

    private List<DateOnly> NightsOf(string folder)
    {
        try
        {
            return [.. DatedCopies.In(folder, Holding).Where(c => c.ByHand is null).Select(c => c.Day)];
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            return []; // what is wrong with it is said when the copy is made
        }
    }

    /// <summary>Makes one now, at both places.</summary>
    /// <param name="local">Now, in the holding's own zone.</param>
    /// <param name="own">The holding's own sign.</param>
    /// <param name="stop">When nobody waits any more.</param>
    /// <returns>What went wrong beside the file, and at the second place; null for what went well.</returns>
    public Task<(string? Beside, string? Second)> MakeNow(DateTimeOffset local, Guid own, CancellationToken stop) => InTurn(() =>
    {
        var (day, hour) = (DateOnly.FromDateTime(local.DateTime), TimeOnly.FromDateTime(local.DateTime));
        return (Make(Beside, day, hour), SecondFolder(own) is { } folder ? Make(folder, day, hour) : null);
    }, stop);

    private string? Make(string folder, DateOnly day, TimeOnly? hour)
    {
        string? trouble = null;
        try
        {
            if (folder != Beside && !Directory.Exists(Second))
            {
                trouble = $"{Second} is not there. Put the stick in, or mount the folder; it is tried again by itself.";
            }
            else
            {
                DatedCopies.Make(Holding, folder, day, hour);
            }
        }
        catch (Exception e) when (FileTrouble.Of(e) is not null || e is IOException)
        {
            trouble = FileTrouble.Of(e) is not { } t ? e.Message : t.Kind switch {
                "full" => "Its disk has too little room for another. Make room; it is tried again by itself.",
                "damaged" => "What came out is damaged, and was thrown away. The holding’s own file may be damaged: stop Mud Pie and start "
                    + "it again, which looks it through and names the last good copy.",
                "denied" or "readOnly" => "It can’t be written. Give the user who runs Mud Pie leave to; it is tried again by itself.",
                _ => $"{t.Wrong} It is tried again by itself."
            };
        }

        if (folder == Beside)
        {
            _besideTrouble = trouble;
        }
        else
        {
            _secondTrouble = trouble;
        }

        return trouble;
    }

    /// <summary>Files that can be put back, by their names, newest first: dated copies of both places, and what lay in the holding's place
    /// before a restore or a newer version.</summary>
    /// <param name="own">The holding's own sign.</param>
    public IReadOnlyList<FileInfo> All(Guid own)
    {
        try
        {
            var (folder, name) = (Path.GetDirectoryName(Holding)!, Path.GetFileName(Holding));
            return [.. DatedCopies.In(Beside, Holding)
                .Concat(SecondFolder(own) is { } second ? DatedCopies.In(second, Holding) : []).Select(c => new FileInfo(c.Path))
                .Concat(new DirectoryInfo(folder).EnumerateFiles(name + ".before-*")
                    .Where(f => !f.Name.EndsWith("-wal", StringComparison.Ordinal) && f.Extension != ".part"))
                .OrderByDescending(f => f.LastWriteTimeUtc)];
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            return [];
        }
    }

    /// <summary>Puts one back while the holding goes on being served. Writes wait meanwhile; who reads sees all or nothing.</summary>
    /// <param name="copy">The file.</param>
    /// <param name="stop">Good until it has begun.</param>
    /// <returns>Where what was there is kept.</returns>
    /// <exception cref="HoldingFileException">It can't be done; the holding is as it was.</exception>
    public Task<string> PutBack(string copy, CancellationToken stop) => InTurn(async () =>
    {
        using var turn = await turns.Take(stop);
        var kept = HoldingCopies.PutBack(copy, Holding);
        scopes.OpenPeople(make: false);
        WriteCount.Add(cache);
        feed.Tell("/api/copies/restore");
        return kept;
    }, stop);

    private Task<T> InTurn<T>(Func<T> what, CancellationToken stop) => InTurn(() => Task.FromResult(what()), stop);

    private async Task<T> InTurn<T>(Func<Task<T>> what, CancellationToken stop)
    {
        using var turn = await _one.Take(stop);
        try
        {
            return await Task.Run(what, CancellationToken.None);
        }
        finally
        {
            WriteCount.Add(cache); // Today speaks of them
        }
    }

    /// <summary>How many writes stand in a copy, and whose it is.</summary>
    /// <param name="copy">The file.</param>
    /// <returns>The holding's own sign, and the number of the last write, which one made before these were counted has not; null where
    /// it can't be read.</returns>
    public static (Guid Own, int? LastDeed)? Known(string copy)
    {
        try
        {
            using var file = new SqliteConnection(new SqliteConnectionStringBuilder {
                DataSource = copy, Mode = SqliteOpenMode.ReadOnly, Pooling = false
            }.ToString());
            file.Open();
            using var ask = file.CreateCommand();
            ask.CommandText = "SELECT count(*) FROM sqlite_master WHERE name = 'Deeds'";
            var kept = (long)ask.ExecuteScalar()! > 0;
            ask.CommandText = $"SELECT Own, {(kept ? "coalesce((SELECT max(Id) FROM Deeds), 0)" : "-1")} FROM Holdings ORDER BY Id LIMIT 1";
            using var row = ask.ExecuteReader();
            return row.Read() ? (row.GetGuid(0), row.GetInt32(1) is var last and >= 0 ? last : null) : null;
        }
        catch (SqliteException)
        {
            return null;
        }
    }
}
