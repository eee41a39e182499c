using System.Collections.Concurrent;
using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using System.Threading.Channels;
using MudPie.Server.Held;

namespace MudPie.Server.Web;

/// <summary>Tells every page that is open what was written, as it is written: it then reads again what that may have changed.</summary>
/// <remarks>Only the address of a write goes out, and the first eight signs of its key, by which a page knows its own; what was written is
/// read by the usual doors, with the usual rights.</remarks>
public sealed class LiveFeed
{
    private const int Behind = 64; // a page that is further behind misses the oldest, and reads again by the minute anyway
    private static readonly TimeSpan Beat = TimeSpan.FromSeconds(20);
    private readonly ConcurrentDictionary<Channel<string>, int?> _pages = [];

    private readonly IHostApplicationLifetime _life;

    /// <summary>One that nobody listens to yet.</summary>
    /// <param name="life">Of the server.</param>
    /// <param name="holding">Whose.</param>
    public LiveFeed(IHostApplicationLifetime life, OneHolding holding)
    {
        _life = life;
        holding.Ending += () => _pages.Keys.ToList().ForEach(page => page.Writer.TryComplete());
    }

    /// <summary>How many pages listen.</summary>
    public int Pages => _pages.Count;

    /// <summary>Something was written.</summary>
    /// <param name="path">"/api/brew/batches/14/log".</param>
    /// <param name="key">The key of the write; null for what no page wrote.</param>
    public void Tell(string path, string? key = null)
    {
        foreach (var (page, _) in _pages)
        {
            page.Writer.TryWrite($"{path} {key?[..Math.Min(8, key.Length)]}");
        }
    }

    /// <summary>A device that was struck off hears no more.</summary>
    public void Cut(int device)
    {
        foreach (var (page, _) in _pages.Where(p => p.Value == device))
        {
            page.Writer.TryComplete();
        }
    }

    /// <summary>All that is told, until the page is closed or the server ends; a word now and then so that nothing between takes the line
    /// for dead.</summary>
    public async IAsyncEnumerable<SseItem<string>> Listen(int? device, [EnumeratorCancellation] CancellationToken gone)
    {
        var page = Channel.CreateBounded<string>(new BoundedChannelOptions(Behind) { FullMode = BoundedChannelFullMode.DropOldest });
        using var over = CancellationTokenSource.CreateLinkedTokenSource(gone, _life.ApplicationStopping);
        _pages[page] = device;
        try
        {
            yield return new SseItem<string>("", "here");
            Task<bool>? more = null;
            while (true)
            {
                more ??= page.Reader.WaitToReadAsync(over.Token).AsTask();
                if (await Task.WhenAny(more, Task.Delay(Beat, over.Token)) != more)
                {
                    if (over.IsCancellationRequested)
                    {
                        yield break;
                    }

                    yield return new SseItem<string>("", "here");
                    continue;
                }

                if (more.IsCanceled || !await more)
                {
                    yield break;
                }

                more = null;
                while (page.Reader.TryRead(out var said))
                {
                    yield return new SseItem<string>(said, "written");
                }
            }
        }
        finally
        {
            _pages.TryRemove(page, out _);
        }
    }
}

/// <summary>Hearing of what is written.</summary>
public static class LiveEndpoints
{
    /// <summary>What can be heard.</summary>
    /// <remarks>It never ends by itself, so it stands outside of the document by which requests are tried one after another.</remarks>
    public static void MapLive(this IEndpointRouteBuilder api) => api.MapGet("/live",
        (LiveFeed feed, Whoever who, CancellationToken gone) => TypedResults.ServerSentEvents(feed.Listen(who.Device, gone)))
        .ForVisitor("What is written, as it is written: the addresses of writes.").DisableRequestTimeout().ExcludeFromDescription();
}
