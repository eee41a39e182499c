using System.Runtime.CompilerServices;
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
