using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Caching.Memory;
using MudPie.Core.Workings;
using MudPie.Server.Held;
using MudPie.Server.Web;

namespace MudPie.Server.Shared;

/// <summary>The file of what is shared at a box, as one holding writes in it.</summary>
/// <remarks>Two files are written, one after the other: what is shared first, under the key of the write, then the holding's own record.
/// Where the second fails and the write is sent again, the first is found by its key and not done again.</remarks>
public sealed class SharedFile(SharedDb shared, HoldingPlace place, HoldingClock clock, Whoever who, OpenHoldings all,
    IHttpContextAccessor accessor)
{
    /// <summary>There is nobody to share with.</summary>
    public static Refusal NoBox { get; } = Refusal.Of("box", "This holding is served by itself.",
        "Things are shared between the holdings of a co-operative’s box.");

    /// <summary>True at a holding of a box.</summary>
    public bool AtBox => place.OfBox;

    /// <summary>This holding, by its name at the box.</summary>
    public string Here => place.Name;

    /// <summary>Of the write that is being answered.</summary>
    public string Key => $"{place.Name}:{accessor.HttpContext!.Request.Headers[Writes.Header]}";

    /// <summary>Who writes.</summary>
    public string By => who.Name ?? "somebody";

    /// <summary>What this holding calls itself.</summary>
    public async Task<string> Called() => (await clock.Find())?.Name ?? place.Name;

    /// <summary>True while a holding of that name is there.</summary>
    public bool Has(string holding) => File.Exists(all.FileOf(holding));

    /// <summary>Writes in it, one at a time; the others' pages are told to read again.</summary>
    public async Task<Ruling<T>> InTurn<T>(Func<Task<Ruling<T>>> work)
    {
        using var turn = await all.Box!.Of<WriteTurns>().Take(CancellationToken.None);
        await shared.Database.OpenConnectionAsync();
        await using var held = ((SqliteConnection)shared.Database.GetDbConnection()).BeginTransaction(deferred: false);
        await using var transaction = await shared.Database.UseTransactionAsync(held);
        shared.ChangeTracker.Clear();
        var ruling = await work();
        if (ruling.Refused is null)
        {
            await shared.SaveChangesAsync();
            await held.CommitAsync();
            all.Others(place.Name).ToList().ForEach(TellOf);
        }

        return ruling;
    }

    /// <summary>The same, of what can't be refused.</summary>
    public async Task<T> InTurn<T>(Func<Task<T>> work) => (await InTurn<T>(async () => Writes.Done(await work()))).Value;

    /// <summary>What another holding remembers of its own is no longer all there is, and its pages read again.</summary>
    private static void TellOf(OneHolding other)
    {
        using var scope = other.Scopes.CreateScope();
        WriteCount.Add(scope.ServiceProvider.GetRequiredService<IMemoryCache>());
        scope.ServiceProvider.GetRequiredService<LiveFeed>().Tell("/api/shared");
    }
}
