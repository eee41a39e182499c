using System.Text;
using MudPie.Server.Web;

namespace MudPie.Server.Tests;

/// <summary>An answer that many ask for is worked out once at a time, and nobody is given one that was begun before a write they know
/// of.</summary>
public sealed class RememberedTests
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private sealed class Desk
    {
        private readonly Remembered.Page _page = new();

        public long Writes { get; set; }

        public int Made { get; private set; }

        public Queue<TaskCompletionSource> Gates { get; } = new();

        public Task<byte[]?> Ask(CancellationToken? gone = null) => _page.Ask(() => (Writes, 0), async () =>
        {
            Made++;
            var (saw, gate) = (Writes, new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously));
            Gates.Enqueue(gate);
            await gate.Task;
            return saw < 0 ? null : Encoding.ASCII.GetBytes($"{saw}");
        }, gone ?? Stop);

        public async Task Open(Exception? fails = null)
        {
            while (Gates.Count == 0)
            {
                await Task.Delay(1, Stop);
            }

            if (fails is null)
            {
                Gates.Dequeue().SetResult();
            }
            else
            {
                Gates.Dequeue().SetException(fails);
            }
        }
    }

    private static async Task<string?> Text(Task<byte[]?> asked) => await asked is { } bytes ? Encoding.ASCII.GetString(bytes) : null;

    [Fact]
    public async Task What_is_asked_at_once_and_what_is_asked_again_is_worked_out_once()
    {
        var desk = new Desk();
        var all = Enumerable.Range(0, 20).Select(_ => desk.Ask()).ToList();
        await desk.Open();
        (await Task.WhenAll(all.Select(Text))).Distinct().ShouldBe(["0"]);
        (await Text(desk.Ask())).ShouldBe("0");
        desk.Made.ShouldBe(1);
        desk.Writes++;
        var after = desk.Ask();
        await desk.Open();
        (await Text(after)).ShouldBe("1");
        desk.Made.ShouldBe(2);
    }

    [Fact]
    public async Task Whoever_comes_after_a_write_waits_for_an_answer_begun_since()
    {
        var desk = new Desk();
        var first = desk.Ask();
        desk.Writes++;
        var second = desk.Ask();
        desk.Writes++;
        var third = desk.Ask(); // with the second: neither is begun yet
        desk.Made.ShouldBe(1);
        await desk.Open();
        (await Text(first)).ShouldBe("0");
        await desk.Open();
        (await Text(second)).ShouldBe("2");
        (await Text(third)).ShouldBe("2");
        desk.Made.ShouldBe(2);
        (await Text(desk.Ask())).ShouldBe("2", "nothing was written since");
    }

    [Fact]
    public async Task Where_it_fails_the_others_are_told_so_and_the_next_one_tries_again()
    {
        var desk = new Desk();
        var (first, second) = (desk.Ask(), desk.Ask());
        await desk.Open(new InvalidOperationException("no"));
        await Should.ThrowAsync<InvalidOperationException>(() => first);
        (await second).ShouldBeNull("they work it out for themselves");
        var third = desk.Ask();
        await desk.Open();
        (await Text(third)).ShouldBe("0");
    }

    [Fact]
    public async Task What_is_no_answer_is_not_kept()
    {
        var desk = new Desk { Writes = -1 };
        var first = desk.Ask();
        await desk.Open();
        (await first).ShouldBeNull();
        var again = desk.Ask();
        await desk.Open();
        (await again).ShouldBeNull();
        desk.Made.ShouldBe(2);
    }

    [Fact]
    public async Task Whoever_goes_away_does_not_hold_up_the_others()
    {
        var desk = new Desk();
        using var gone = new CancellationTokenSource();
        var (first, second) = (desk.Ask(), desk.Ask(gone.Token));
        await gone.CancelAsync();
        await Should.ThrowAsync<OperationCanceledException>(() => second);
        await desk.Open();
        (await Text(first)).ShouldBe("0");
    }

    [Fact]
    public async Task A_page_that_is_remembered_shows_each_write_at_once_and_is_the_same_as_one_that_is_not()
    {
        using var h = new TestHolding(demo: true);
        foreach (var path in new[] { "/api/today", "/api/day-line", "/api/watch", "/api/brew/batches/14", "/api/brew/batches", "/api/shelf",
            "/api/ground", "/api/look/walk", "/api/make/yard" })
        {
            using var first = await h.Http.GetAsync(path, Stop);
            using var again = await h.Http.GetAsync(path, Stop);
            first.Content.Headers.ContentType!.ToString().ShouldBe("application/json; charset=utf-8");
            var body = await again.Content.ReadAsStringAsync(Stop);
            body.ShouldBe(await first.Content.ReadAsStringAsync(Stop));
            using var missing = await h.Http.GetAsync("/api/brew/batches/9999", Stop);
            ((int)missing.StatusCode).ShouldBe(404);
        }

        for (var i = 0; i < 5; i++)
        {
            await h.Post("/api/brew/batches/14/log", new { kind = "note", value = $"note {i} of it" });
            (await h.Http.GetStringAsync("/api/brew/batches/14", Stop)).ShouldContain($"note {i} of it");
        }
    }
}
