using System.Runtime.CompilerServices;
using Microsoft.Extensions.Caching.Memory;

namespace MudPie.Server.Web;

/// <summary>What is dear to work out is worked out once, however many ask for it at the same moment.</summary>
internal static class SharedWork
{
    private static readonly ConditionalWeakTable<IMemoryCache, Lock> Locks = [];

    /// <summary>What is remembered under a key, or worked out by whoever asks first while the others wait for it.</summary>
    /// <param name="cache">Of a holding.</param>
    /// <param name="key">All that it hangs on.</param>
    /// <param name="keep">How long it is remembered.</param>
    /// <param name="make">Works it out. Where that fails, whoever waited works it out for themselves.</param>
    public static async Task<T> Once<T>(this IMemoryCache cache, object key, TimeSpan keep, Func<Task<T>> make)
    {
        var mine = new TaskCompletionSource<T>(TaskCreationOptions.RunContinuationsAsynchronously);
        Task<T> shared;
        lock (Locks.GetOrCreateValue(cache))
        {
            shared = cache.TryGetValue(key, out Task<T>? there) && there is not null ? there
                : cache.Set(key, mine.Task, new MemoryCacheEntryOptions { AbsoluteExpirationRelativeToNow = keep, Size = 1 });
        }

        if (shared != mine.Task)
        {
            await ((Task)shared).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
            return shared.IsCompletedSuccessfully ? await shared : await make();
        }

        try
        {
            var made = await make();
            mine.SetResult(made);
            return made;
        }
        catch
        {
            cache.Remove(key);
            mine.SetCanceled(CancellationToken.None);
            throw;
        }
    }
}
