using System.Data.Common;
using System.Runtime.CompilerServices;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Microsoft.Extensions.Caching.Memory;

namespace MudPie.Server.Web;

/// <summary>How many writes were made since the server began: what is kept in memory holds until the next one.</summary>
public static class WriteCount
{
    private static readonly ConditionalWeakTable<IMemoryCache, StrongBox<long>> Counts = [];

    /// <summary>So many by now.</summary>
    public static long Of(IMemoryCache cache) => Volatile.Read(ref Counts.GetOrCreateValue(cache).Value);

    /// <summary>One more; to be called after every write.</summary>
    public static void Add(IMemoryCache cache) => Interlocked.Increment(ref Counts.GetOrCreateValue(cache).Value);
}

/// <summary>Counts what is written by whatever door: by what goes on in the background too.</summary>
/// <remarks>What is saved within a transaction is counted again when that is committed: who read between knew nothing of it.</remarks>
/// <param name="cache">Of the holding.</param>
internal sealed class CountsWrites(IMemoryCache cache) : SaveChangesInterceptor, IDbTransactionInterceptor
{
    public override int SavedChanges(SaveChangesCompletedEventData eventData, int result)
    {
        WriteCount.Add(cache);
        return result;
    }

    public override ValueTask<int> SavedChangesAsync(SaveChangesCompletedEventData eventData, int result,
        CancellationToken cancellationToken = default)
    {
        WriteCount.Add(cache);
        return ValueTask.FromResult(result);
    }

    public void TransactionCommitted(DbTransaction transaction, TransactionEndEventData eventData) => WriteCount.Add(cache);

    public Task TransactionCommittedAsync(DbTransaction transaction, TransactionEndEventData eventData,
        CancellationToken cancellationToken = default)
    {
        WriteCount.Add(cache);
        return Task.CompletedTask;
    }
}
