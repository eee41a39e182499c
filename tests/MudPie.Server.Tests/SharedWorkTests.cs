using Microsoft.Extensions.Caching.Memory;
using MudPie.Server.Web;

namespace MudPie.Server.Tests;

/// <summary>What many ask for at once is worked out once.</summary>
public sealed class SharedWorkTests : IDisposable
{
    private static readonly TimeSpan Long = TimeSpan.FromMinutes(3);
    private readonly MemoryCache _cache = new(new MemoryCacheOptions { SizeLimit = 10 });

    public void Dispose() => _cache.Dispose();

    [Fact]
    public async Task Fifty_who_ask_at_once_wait_for_one()
    {
        var (begun, go) = (0, new TaskCompletionSource());
        var all = Enumerable.Range(0, 50).Select(_ => _cache.Once("key", Long, async () =>
        {
            Interlocked.Increment(ref begun);
            await go.Task;
            return begun;
        })).ToList();
        go.SetResult();
        (await Task.WhenAll(all)).ShouldAllBe(made => made == 1);
        (await _cache.Once("key", Long, () => Task.FromResult(7))).ShouldBe(1, "and is remembered");
        (await _cache.Once("another", Long, () => Task.FromResult(7))).ShouldBe(7);
    }

    [Fact]
    public async Task Where_it_fails_whoever_waited_does_it_and_nothing_is_remembered()
    {
        var go = new TaskCompletionSource();
        var first = _cache.Once<int>("key", Long, async () =>
        {
            await go.Task;
            throw new InvalidOperationException("gone");
        });
        var second = _cache.Once("key", Long, () => Task.FromResult(2));
        second.IsCompleted.ShouldBeFalse();
        go.SetResult();
        await Should.ThrowAsync<InvalidOperationException>(() => first);
        (await second).ShouldBe(2);
        (await _cache.Once("key", Long, () => Task.FromResult(3))).ShouldBe(3);
    }
}
