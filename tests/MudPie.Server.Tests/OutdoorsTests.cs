using System.Net.Http.Headers;
using System.Text.Json.Nodes;

namespace MudPie.Server.Tests;

/// <summary>What is written where there is no signal: it is kept for the hour in which it was written, not for the one in which it
/// comes.</summary>
public sealed class OutdoorsTests : IDisposable
{
    private readonly TestHolding _h = new(demo: true);

    private DateTimeOffset Before => _h.Now.AddHours(-1);

    public void Dispose() => _h.Dispose();

    private static DateTimeOffset At(JsonNode? node) => node!["at"]!.GetValue<DateTimeOffset>();

    [Fact]
    public async Task A_pest_count_a_zeroing_and_a_heaped_brew_keep_the_hour_in_which_they_were_written()
    {
        await _h.Post("/api/judge/pests", new { bedId = 7, pest = "aphids", count = "2", per = "plant", threshold = "10", at = Before });
        At((await _h.Get("/api/judge/brix/bed/7"))["pests"]![0]).ShouldBe(Before);
        await _h.Post("/api/judge/meters/1/zero", new { showed = "0.2", at = Before });
        (await _h.Get("/api/judge/meters")).AsArray().Single(m => (int)m!["id"]! == 1)!["zeroes"]!.AsArray().Select(At)
            .ShouldContain(Before);
        await _h.Post("/api/brew/batches/14/heap", new { why = "it smells of rotten eggs", at = Before });
        At((await _h.Get("/api/brew/batches/14"))["log"]!.AsArray().Single(l => (string)l!["kind"]! == "heaped")).ShouldBe(Before);
    }

    [Fact]
    public async Task A_photo_is_of_the_hour_in_which_it_was_taken()
    {
        await Photo("/api/brew/batches/14/photos", Before, 200);
        At((await _h.Get("/api/brew/batches/14"))["log"]!.AsArray().Single(l => (string)l!["kind"]! == "photo")).ShouldBe(Before);
        await Photo("/api/brew/batches/14/photos", _h.Now.AddDays(1), 422);
        var trial = (await _h.Get("/api/judge/trials"))[0]!["id"];
        var plot = (await _h.Get($"/api/judge/trials/{trial}"))["plots"]![0]!["id"];
        await Photo($"/api/judge/trials/{trial}/plots/{plot}/photos", Before, 200);
        await Photo($"/api/judge/trials/{trial}/plots/{plot}/photos", _h.Now.AddDays(1), 422);
    }

    [Theory]
    [InlineData("/api/judge/pests", """{"bedId":7,"pest":"aphids","count":"2","per":"plant","threshold":"10"}""")]
    [InlineData("/api/judge/meters/1/zero", """{"showed":"0.2"}""")]
    [InlineData("/api/brew/batches/14/heap", """{"why":"it smells of rotten eggs"}""")]
    [InlineData("/api/watch/1/put-off", """{"minutes":30}""")]
    [InlineData("/api/watch/1/done", "{}")]
    public async Task An_hour_that_has_not_come_is_refused(string path, string body)
    {
        var asked = JsonNode.Parse(body)!;
        asked["at"] = _h.Now.AddHours(2);
        (await _h.Refused(path, asked)).Keys.ShouldBe(["at"]);
    }

    [Fact]
    public async Task A_notice_put_off_without_a_signal_comes_back_half_an_hour_after_it_was_put_off()
    {
        using var h = new TestHolding();
        await h.Started();
        h.Clock.Advance(TimeSpan.FromHours(6));
        await h.Look();
        var silent = (await h.Get("/api/watch"))["notices"]!.AsArray().Single(n => (string)n!["rule"]! == "noReading")!["id"];
        await h.Post($"/api/watch/{silent}/put-off", new { minutes = 30, at = h.Now.AddMinutes(-20) });
        async Task<int> Said() => (await h.Get("/api/today"))["items"]!.AsArray()
            .Count(i => ((string)i!["id"]!).StartsWith("read-", StringComparison.Ordinal));
        (await Said()).ShouldBe(0);
        h.Clock.Advance(TimeSpan.FromMinutes(11));
        (await Said()).ShouldBe(1);
    }

    [Fact]
    public async Task A_reading_put_right_moves_a_brew_that_runs_forward_to_where_the_right_one_would_have()
    {
        async Task<DateTimeOffset> Use(params string[] warmths)
        {
            using var h = new TestHolding();
            await h.Post("/api/holding/setup", TestHolding.SetUp);
            var ask = new { bedIds = new[] { 1 }, purpose = "leaf", startNow = true, warmthC = 18, swingC = 2 };
            var path = $"/api/brew/batches/{(await h.Post("/api/brew/batches", ask))["id"]}";
            h.Clock.SetUtcNow((await h.Get(path))["plannedStart"]!.GetValue<DateTimeOffset>());
            await h.Post($"{path}/start", new { strip = "0" });
            h.Clock.Advance(TimeSpan.FromHours(6));
            await h.Post($"{path}/log", new { kind = "warmth", value = warmths[0] });
            foreach (var right in warmths[1..])
            {
                var wrong = (await h.Get(path))["log"]!.AsArray().Single(l => (string)l!["kind"]! == "warmth")!;
                await h.Post($"{path}/log/{wrong["id"]}/correct", new { kind = "warmth", value = right, at = wrong["at"] });
            }

            return (await h.Get(path))["useAt"]!.GetValue<DateTimeOffset>();
        }

        var (cold, warm) = (await Use("9 C"), await Use("19 C"));
        cold.ShouldBeGreaterThan(warm);
        (await Use("9 C", "19 C")).ShouldBe(warm);
    }

    private async Task Photo(string path, DateTimeOffset at, int status)
    {
        var png = Convert.FromBase64String(
            "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==");
        using var request = new HttpRequestMessage(HttpMethod.Post, $"{path}?at={Uri.EscapeDataString(at.ToString("O"))}") {
            Content = new ByteArrayContent(png) { Headers = { ContentType = new MediaTypeHeaderValue("image/png") } }
        };
        request.Headers.Add("Idempotency-Key", Guid.NewGuid().ToString());
        using var sent = await _h.Http.SendAsync(request);
        ((int)sent.StatusCode).ShouldBe(status, await sent.Content.ReadAsStringAsync());
    }
}
