using Microsoft.Extensions.Caching.Memory;
using Microsoft.Extensions.Options;

namespace MudPie.Server.Web;

/// <summary>What is remembered of one holding's record, up to 200 things.</summary>
/// <remarks>Handed to each request, and so not ended with it: it goes when the holding is closed and nobody has it any more.</remarks>
internal sealed class HoldingCache : IMemoryCache
{
    private const int Most = 200;
    private readonly MemoryCache _inner = new(Options.Create(new MemoryCacheOptions { SizeLimit = Most }));

    public ICacheEntry CreateEntry(object key) => _inner.CreateEntry(key);

    public void Remove(object key) => _inner.Remove(key);

    public bool TryGetValue(object key, out object? value) => _inner.TryGetValue(key, out value);

    public void Dispose()
    {
        // see the remarks
    }
}
