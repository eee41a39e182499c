using System.Diagnostics;
using System.Runtime.CompilerServices;
using System.Text.Json;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Caching.Memory;
using Microsoft.Extensions.Options;

namespace MudPie.Server.Web;

/// <summary>Pages that many phones ask for again and again: an answer is good until the next write, and however many ask meanwhile, it is
/// worked out once at a time.</summary>
/// <remarks>Nobody is given what was read before they asked, if anything was written since: who comes while an older answer is being worked
/// out waits for the next one, together with all who come until that is begun: where many write and read at once, no more than half of the
/// time goes into one page. Beyond that an answer is kept for ten seconds, as what is said of a brew moves with the clock.</remarks>
public static class Remembered
{
    private const int Most = 30;
    private static readonly long Slot = TimeSpan.FromSeconds(10).Ticks;
    private static readonly ConditionalWeakTable<IMemoryCache, Dictionary<string, Page>> Pages = [];

    /// <summary>Is answered so. Only for what hangs on the record and the clock alone, and not on who asks.</summary>
    public static RouteHandlerBuilder Remember(this RouteHandlerBuilder door) => door.AddEndpointFilter(async (context, next) =>
    {
        var http = context.HttpContext;
        var cache = http.RequestServices.GetRequiredService<IMemoryCache>();
        var time = http.RequestServices.GetRequiredService<TimeProvider>();
        object? other = null;
        var body = await Of(cache, http.Request.Path + http.Request.QueryString.ToString()).Ask(
            () => (WriteCount.Of(cache), time.GetUtcNow().Ticks / Slot),
            async () =>
            {
                var answer = await next(context);
                if (Plain(answer) is not (IStatusCodeHttpResult { StatusCode: StatusCodes.Status200OK }
                    and IValueHttpResult { Value: { } value }))
                {
                    other = answer;
                    return null;
                }

                var options = http.RequestServices.GetRequiredService<IOptions<JsonOptions>>().Value.SerializerOptions;
                return JsonSerializer.SerializeToUtf8Bytes(value, value.GetType(), options);
            }, http.RequestAborted);
        return body is not null ? TypedResults.Bytes(body, "application/json; charset=utf-8") : other ?? await next(context);
    });

    private static object? Plain(object? answer) => answer is INestedHttpResult nested ? nested.Result : answer;

    private static Page Of(IMemoryCache cache, string path)
    {
        var pages = Pages.GetOrCreateValue(cache);
        lock (pages)
        {
            if (pages.Count >= Most && !pages.ContainsKey(path))
            {
                pages.Clear();
            }

            return pages.TryGetValue(path, out var page) ? page : pages[path] = new Page();
        }
    }

    /// <summary>What is asked for, and how it was last answered.</summary>
    internal sealed class Page
    {
        private static readonly TimeSpan MostPause = TimeSpan.FromMilliseconds(60);
        private readonly Lock _one = new();
        private Run? _now;
        private Run? _next;

        /// <summary>An answer that was begun after this was asked, or since which nothing was written.</summary>
        /// <param name="stands">What it hangs on: the number of writes, and the time.</param>
        /// <param name="make">Works it out; null for what is not to be kept.</param>
        /// <param name="gone">When nobody waits for this one any more.</param>
        /// <returns>Null where it is not kept, or whoever worked it out for all could not.</returns>
        public async Task<byte[]?> Ask(Func<(long Writes, long Slot)> stands, Func<Task<byte[]?>> make, CancellationToken gone)
        {
            Run run;
            Run? before = null;
            var leads = false;
            lock (_one)
            {
                var at = stands();
                if (_now is { } now && now.At == at)
                {
                    run = now;
                }
                else if (_next is not null)
                {
                    run = _next;
                }
                else
                {
                    leads = true;
                    run = new Run { At = at };
                    before = _now is { Answer.Task.IsCompleted: false } ? _now : null;
                    (_now, _next) = before is null ? (run, null) : (_now, run);
                }
            }

            return leads ? await Lead(run, before, stands, make) : await run.Answer.Task.WaitAsync(gone);
        }

        private async Task<byte[]?> Lead(Run run, Run? before, Func<(long, long)> stands, Func<Task<byte[]?>> make)
        {
            if (before is not null)
            {
                await before.Answer.Task;
                await Task.Delay(before.Took < MostPause ? before.Took : MostPause); // all who come by then are answered together
                lock (_one)
                {
                    run.At = stands();
                    (_now, _next) = (run, null);
                }
            }

            byte[]? made = null;
            var began = Stopwatch.GetTimestamp();
            try
            {
                return made = await make();
            }
            finally
            {
                run.Took = Stopwatch.GetElapsedTime(began);
                lock (_one)
                {
                    _now = made is null && _now == run ? null : _now;
                }

                run.Answer.SetResult(made);
            }
        }

        private sealed class Run
        {
            public TaskCompletionSource<byte[]?> Answer { get; } = new(TaskCreationOptions.RunContinuationsAsynchronously);

            public (long Writes, long Slot) At { get; set; }

            public TimeSpan Took { get; set; }
        }
    }
}
