using System.Net;

namespace MudPie.Server.Tests;

/// <summary>Every door at once: nothing that is only looked at breaks, on no holding, an empty one and a full one; nothing is done
/// twice.</summary>
public sealed class SweepTests
{
    private static async Task<List<string>> Reads(TestHolding h)
    {
        var paths = (await h.Get("/openapi/v1.json"))["paths"]!.AsObject();
        return [.. paths.Where(p => p.Value!.AsObject().ContainsKey("get")).Select(p => p.Key)];
    }

    [Fact]
    public async Task Nothing_that_is_only_looked_at_breaks_before_the_holding_is_set_up()
    {
        using var h = new TestHolding();
        await Look(h, "1");
    }

    [Fact]
    public async Task Nothing_that_is_only_looked_at_breaks_in_an_empty_holding()
    {
        using var h = new TestHolding();
        await h.Post("/api/holding/setup", TestHolding.SetUp);
        await Look(h, "1");
        await Look(h, "999999");
    }

    [Fact]
    public async Task Nothing_that_is_only_looked_at_breaks_in_the_demo()
    {
        using var h = new TestHolding(demo: true);
        foreach (var id in new[] { "1", "2", "5", "14" })
        {
            await Look(h, id);
        }

        h.Clock.Advance(TimeSpan.FromDays(400)); // everything is over, late and past its date
        await Look(h, "14");
    }

    private static async Task Look(TestHolding h, string id)
    {
        var reads = await Reads(h);
        reads.Count.ShouldBeGreaterThan(35);
        foreach (var path in reads)
        {
            var asked = System.Text.RegularExpressions.Regex.Replace(path, @"\{[^}]+\}", id);
            foreach (var query in asked switch {
                "/api/book/thread" => new[] { "?of=bed-1", "?of=lot-1", "?of=batch-1", "?of=" },
                "/api/put-out/windows" => ["?purpose=root", "?purpose=stem", "?hours=-1", "?hours=9999"],
                "/api/book" =>
                    ["", "?bed=1", "?input=1", "?kind=seen", "?page=99", "?page=-3"],
                "/api/book/season" => ["", "?year=1"],
                _ => [""]
            })
            {
                using var reply = await h.Http.GetAsync(asked + query);
                ((int)reply.StatusCode).ShouldBeLessThan(500, asked + query);
                reply.StatusCode.ShouldBeOneOf([HttpStatusCode.OK, HttpStatusCode.NoContent, HttpStatusCode.NotFound,
                    HttpStatusCode.BadRequest, HttpStatusCode.UnprocessableEntity], asked + query);
            }
        }
    }

    internal static readonly (string Path, string Body)[] Writings =
    [
        ("/api/shelf/inputs", """{"name":"yarrow tea","kind":"other"}"""),
        ("/api/shelf/inputs/10/lots", """{"mark":"twice?","origin":"bought","amount":"1 L"}"""),
        ("/api/shelf/lots/1/entries", """{"reason":"spilt","amount":"0.001"}"""),
        ("/api/shelf/lots/2/entries", """{"reason":"count","amount":"3"}"""),
        ("/api/put-out/sprayers", """{"name":"a new can","kind":"can","tank":"8 L","past":"new"}"""),
        ("/api/put-out/sprayers/1/calibrate", """{"used":"0.75 L","square":"25 m2"}"""),
        ("/api/put-out/sprayers/1/wash", "{}"),
        ("/api/put-out/mixing/rules", """{"a":"fish","b":"silica","together":false,"waitDays":"1","why":"label of the silica"}"""),
        ("/api/put-out/programmes", """{"bedId":9,"start":"2026-06-01","harvest":"2026-10-01"}"""),
        ("/api/put-out/programmes/1/givings", """{"kind":"amino","on":"2026-07-01","purpose":"leaf"}"""),
        ("/api/book/harvests", """{"bedId":4,"weight":"3 kg"}"""),
        ("/api/book/seen", """{"text":"a heron in the creek"}"""),
        ("/api/book/waits", """{"kind":"spray","days":"10","why":"our own scheme"}"""),
        ("/api/notes", """{"text":"o2 7.7 barrel"}"""),
        ("/api/notes", """{"text":"used 10 ml kelp on ridge bed 2","cautionsSeen":["spraying","run-off"]}"""),
        ("/api/notes", """{"text":"brix 8.8 9.0 8.9 ridge bed 3 18 c"}"""),
        ("/api/judge/trials",
            """{"question":"Does it?","crop":"fennel","design":"pair","kind":"strips","factors":["t"],"treatments":[{"name":"nothing","role":"control"},{"name":"tea"}],"replicates":1,"places":[{"name":"Ridge Bed 4","length":"30 m","width":"1.2 m"}],"measures":[{"kindId":"brix"}]}"""),
        ("/api/judge/trials/5/layout", "{}"),
        ("/api/judge/trials/5/steps", """{"step":"start"}"""),
        ("/api/judge/trials/2/steps", """{"step":"open"}"""),
        ("/api/judge/trials/csv",
            """{"csv":"t,y\na,1\na,2\nb,3\nb,4","question":"Is b more?","crop":"oats","design":"random","responses":["y"],"factors":["t"]}"""),
        ("/api/judge/across", """{"name":"A claim","unit":"kg"}"""),
        ("/api/judge/across/1/results", """{"label":"here","difference":"0.1","standardError":"0.05"}"""),
        ("/api/judge/across/1/file", """{"csv":"label,difference,standard_error\nthere,0.2,0.1"}"""),
        ("/api/judge/across/results/1/out", """{"why":"other soil"}"""),
        ("/api/judge/patches", """{"bedId":6,"candidates":[{"inputId":10,"ratePerHa":"5 L"}]}"""),
        ("/api/judge/meters", """{"name":"the new one","corrects":true}"""),
        ("/api/judge/meters/1/zero", """{"showed":"0.2"}"""),
        ("/api/judge/pests", """{"bedId":6,"pest":"aphids","count":"4","per":"plant","threshold":"10"}"""),
        ("/api/judge/brix", """{"bedId":6,"readings":"8.1 8.3","temperature":"20","leafPosition":"top","sky":"clear"}"""),
        ("/api/brew/batches/15/move", """{"useAt":"2026-06-11T20:00:00Z"}"""),
    ];

    [Fact]
    public async Task What_is_sent_twice_on_a_bad_connection_is_done_once()
    {
        using var h = new TestHolding(demo: true);
        foreach (var (path, written) in Writings)
        {
            var body = path.EndsWith("/move", StringComparison.Ordinal)
                ? written.Replace("}",
                    $$""","version":"{{(await h.Get("/api/day-line"))["brews"]!.AsArray().Single(b => (int)b!["id"]! == 15)!["version"]}}"}""", StringComparison.Ordinal) : written;
            var key = Guid.NewGuid().ToString();
            var first = await h.Send(path, body, key);
            first.Status.ShouldBe(200, path + first.Reply.ToJsonString());
            var book = await Everything(h);
            var again = await h.Send(path, body, key);
            again.Status.ShouldBe(200, path);
            again.Reply.ToJsonString().ShouldBe(first.Reply.ToJsonString(), path);
            // also where the path is the same
            (await h.Send("/api/book/seen", """{"text":"the same key for another thing"}""", key)).Status.ShouldBe(409, path);
            using var keyless = await h.Http.PostAsync(path, new StringContent(body, System.Text.Encoding.UTF8, "application/json"));
            ((int)keyless.StatusCode).ShouldBe(422, path);
            (await Everything(h)).ShouldBe(book, path);
        }
    }

    private static async Task<string> Everything(TestHolding h) =>
        await h.Http.GetStringAsync("/api/book/book.csv") + await h.Http.GetStringAsync("/api/put-out/programmes")
            + await h.Http.GetStringAsync("/api/brew/batches/14") + await h.Http.GetStringAsync("/api/brew/batches")
            + await h.Http.GetStringAsync("/api/put-out/sprayers")
        + await h.Http.GetStringAsync("/api/judge/trials") + await h.Http.GetStringAsync("/api/judge/across")
        + await h.Http.GetStringAsync("/api/judge/patches") + await h.Http.GetStringAsync("/api/judge/meters")
        + await h.Http.GetStringAsync("/api/judge/brix/bed/6");

    [Fact]
    public async Task Forty_hands_at_once_lose_nothing_and_double_nothing()
    {
        using var h = new TestHolding(demo: true);
        var sent = Enumerable.Range(0, 40).Select(i => $"sighting {i}").ToList();
        var replies = await Task.WhenAll(sent.Select(text => h.Send("/api/book/seen", new { text }, null)));
        replies.ShouldAllBe(r => r.Status == 200);
        var lines = (await h.Get("/api/book/book.json"))["lines"]!.AsArray().Where(l => (string)l!["kind"]! == "seen")
            .Select(l => (string)l!["note"]!).ToList();
        lines.Where(l => l.StartsWith("sighting", StringComparison.Ordinal)).Order().ShouldBe(sent.Order());
    }

    [Fact]
    public async Task A_count_at_the_moment_somebody_takes_from_the_lot_leaves_a_sum_that_adds_up()
    {
        using var h = new TestHolding(demo: true);
        var lot = (await h.Get("/api/shelf"))["inputs"]!.AsArray()
            .Single(i => (string)i!["name"]! == "kelp liquid")!["lots"]![0]!["id"]!.GetValue<int>();
        var takes = Enumerable.Range(0, 8)
            .Select(_ => h.Send("/api/notes",
                new { text = "used 10 ml kelp on ridge bed 2", cautionsSeen = new[] { "spraying", "run-off" } }, null));
        var counts = Enumerable.Range(0, 4)
            .Select(i => h.Send($"/api/shelf/lots/{lot}/entries", new { reason = "count", amount = "2 L", note = $"count {i}" }, null));
        (await Task.WhenAll(takes.Concat(counts))).ShouldAllBe(r => r.Status == 200);
        var entries = (await h.Get("/api/book/book.json"))["lines"]!.AsArray()
            .Where(l => (string)l!["kind"]! == "stock" && (string)l["lot"]! == "K-11").ToList();
        var sum = entries.Sum(e => double.Parse((string)e!["amount"]!, System.Globalization.CultureInfo.InvariantCulture));
        entries.Count(e => (string)e!["why"]! == "used").ShouldBe(8);
        sum.ShouldBeInRange(1.92 - 1e-9, 2 + 1e-9); // the last count says 2 L; up to eight takes come after it
        Math.Abs((sum * 100) - Math.Round(sum * 100)).ShouldBeLessThan(1e-6);
    }
}
