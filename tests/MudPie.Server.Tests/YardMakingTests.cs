using System.Text.Json.Nodes;

namespace MudPie.Server.Tests;

/// <summary>Mixes and heaps from the question to the record: what the shelf falls by, what the book and the thread say.</summary>
public class YardMakingTests : IDisposable
{
    private readonly TestHolding _h = new(demo: true);

    public void Dispose()
    {
        _h.Dispose();
        GC.SuppressFinalize(this);
    }

    private async Task<double> Left(string input) => (await _h.Get("/api/shelf"))["inputs"]!.AsArray()
        .Where(i => (string)i!["name"]! == input)
        .Select(i => double.Parse(((string)i!["leftShown"]!).Split(' ')[0], System.Globalization.CultureInfo.InvariantCulture)).Single();

    private async Task<int> Input(string name) => (await _h.Get("/api/shelf"))["inputs"]!.AsArray().Where(i => (string)i!["name"]! == name)
        .Select(i => (int)i!["id"]!).Single();

    private async Task<object> Asked(string name = "Spring pots", string? sowOn = null, object? charge = null) => new {
        name, into = "pots", pot = "3 L", spare = "10", loss = "10", settle = "0", sowOn,
        parts = new object[] {
            new { inputId = await Input("coir"), pack = "70 L" }, new { inputId = await Input("castings from the bin") },
            new { inputId = await Input("char from hedge brash") },
        },
        mixes = new object[] {
            new { name = "none", count = "4", shares = new[] { "60", "40", "" } },
            new { name = "more", count = "4", shares = new[] { "45", "40", "15" } },
        },
        charge = charge ?? new { of = 2, with = 1, container = "10 L" }, bedId = 13,
    };

    private async Task<JsonNode> Step(int id, object step) => await _h.Post($"/api/mix/{id}/steps", step);

    [Fact]
    public async Task A_job_goes_from_the_bag_to_the_pots_and_every_room_says_the_same()
    {
        var asked = await Asked(sowOn: "2026-06-30");
        var told = (await _h.Post("/api/mix/work-out", asked))["value"]!;
        ((string)told["verdict"]!["sentence"]!).ShouldBe("Begin charging by 16 Jun.");
        var id = (int)(await _h.Post("/api/mix", new { asked }))["id"]!;
        var (coir, castings, raw) = (await Left("coir"), await Left("castings from the bin"), await Left("char from hedge brash"));
        (await _h.Get("/api/today"))["items"]!.ToJsonString().ShouldContain($"mix-charge-{id}");
        await Step(id, new { step = "charged" });
        // 14.67 L × 15 % × (1 + 2.6) = 7.92 L of blend, one container of 10 L
        (await Left("char from hedge brash")).ShouldBe(raw - (10 / 3.6), 1);
        (await Left("castings from the bin")).ShouldBe(castings - (10 * 2.6 / 3.6), 1);
        (await Left("charged char from hedge brash")).ShouldBeGreaterThan(9);
        (await Left("coir")).ShouldBe(coir, 0.1);
        _h.Clock.Advance(TimeSpan.FromDays(8));
        (await _h.Get("/api/today"))["items"]!.ToJsonString().ShouldContain($"mix-look-{id}");
        await Step(id, new { step = "checked", damp = "right" });
        (await _h.Get("/api/today"))["items"]!.ToJsonString().ShouldNotContain($"mix-look-{id}");
        (await _h.Refused($"/api/mix/{id}/steps", new { step = "mixed" }))["note"].ShouldContain("8 days of 14");
        _h.Clock.Advance(TimeSpan.FromDays(7));
        await Step(id, new { step = "mixed" });
        (await Left("coir")).ShouldBe(coir - (14.6667 * 1.05), 0.5);
        var job = await _h.Get($"/api/mix/{id}");
        ((string)job["state"]!).ShouldBe("mixed");
        job["lots"]!.AsArray().Select(l => (string)l!["name"]!)
            .ShouldBe(["charged char from hedge brash", "Spring pots: none", "Spring pots: more"]);
        (await Left("Spring pots: more")).ShouldBe(13.2, 0.01);
        await Step(id, new { step = "filled" });
        (await Left("Spring pots: more")).ShouldBe(1.2, 0.01); // the spare is left over
        (await _h.Get("/api/book?kind=mix"))["entries"]!.AsArray().Count(e => ((string)e!["title"]!)
            .StartsWith("Spring pots", StringComparison.Ordinal))
            .ShouldBe(3);
        var lot = (int)job["lots"]![2]!["id"]!;
        foreach (var of in new[] { $"mix-{id}", $"lot-{lot}", "bed-13" })
        {
            var knots = (await _h.Get($"/api/book/thread?of={of}"))["knots"]!.AsArray().Select(k => (string)k!["id"]!).ToList();
            knots.ShouldContain($"mix-{id}");
            knots.ShouldContain("bed-13");
            knots.Count(k => k.StartsWith("lot-", StringComparison.Ordinal)).ShouldBeGreaterThanOrEqualTo(5, of);
        }
    }

    [Fact]
    public async Task What_is_undone_goes_back_and_a_step_that_was_sent_twice_is_done_once()
    {
        var id = (int)(await _h.Post("/api/mix", new { asked = await Asked() }))["id"]!;
        var before = await Left("castings from the bin");
        var key = Guid.NewGuid().ToString();
        await _h.Post($"/api/mix/{id}/steps", new { step = "charged" }, key);
        var (_, again) = await _h.Send($"/api/mix/{id}/steps", new { step = "charged" }, key);
        var once = await Left("castings from the bin");
        once.ShouldBeLessThan(before);
        (await _h.Refused($"/api/mix/{id}/steps", new { step = "charged" }))["step"].ShouldContain("does not follow");
        (await _h.Refused($"/api/mix/{id}/steps/{again["id"]}/undo", new { why = "" }))["why"].ShouldContain("Nothing was written");
        _h.Clock.Advance(TimeSpan.FromHours(5));
        var said = _h.Now.AddHours(-3); // said without a signal, sent later
        await _h.Post($"/api/mix/{id}/steps/{again["id"]}/undo", new { why = "it was another heap", at = said });
        var entries = (await _h.Get("/api/shelf"))["inputs"]!.AsArray().SelectMany(i => i!["lots"]!.AsArray())
            .SelectMany(l => l!["entries"]!.AsArray()).Where(e => (string?)e!["note"] == "it was another heap").ToList();
        entries.ShouldAllBe(e => e!["at"]!.GetValue<DateTimeOffset>() == said);
        entries.Count.ShouldBe(3);
        (await Left("castings from the bin")).ShouldBe(before, 0.01);
        var job = await _h.Get($"/api/mix/{id}");
        ((string)job["state"]!).ShouldBe("planned");
        ((bool)job["log"]![0]!["undone"]!).ShouldBeTrue();
        ((string)job["log"]![0]!["undoneWhy"]!).ShouldBe("it was another heap");
        (await _h.Get($"/api/mix/{id}"))["lots"]!.AsArray().Select(l => (string)l!["leftShown"]!).ShouldBe(["0 L"]);
    }

    [Fact]
    public async Task What_was_made_and_used_since_can_not_be_undone_and_a_begun_card_stands()
    {
        var id = (int)(await _h.Post("/api/mix", new { asked = await Asked() }))["id"]!;
        var step = (int)(await Step(id, new { step = "charged" }))["id"]!;
        var lot = (await _h.Get($"/api/mix/{id}"))["lots"]![0]!;
        await _h.Post($"/api/shelf/lots/{lot["id"]}/entries", new { reason = "spilt", amount = "2 L" });
        (await _h.Refused($"/api/mix/{id}/steps/{step}/undo", new { why = "no" }))["id"].ShouldContain("taken since");
        var version = (string)(await _h.Get($"/api/mix/{id}"))["version"]!;
        (await _h.Refused("/api/mix", new { id, version, asked = await Asked("another") }))["asked"].ShouldContain("first step is done");
    }

    [Fact]
    public async Task Raw_char_is_refused_and_kept_with_a_reason_and_two_windows_do_not_overwrite_each_other()
    {
        var raw = JsonNode.Parse(System.Text.Json.JsonSerializer.Serialize(await Asked("Raw")))!.AsObject();
        raw["charge"] = null;
        var id = (int)(await _h.Post("/api/mix", new { asked = raw }))["id"]!;
        (await _h.Refused($"/api/mix/{id}/steps", new { step = "mixed" }))["rawWhy"].ShouldContain("Charge it first");
        var version = (string)(await _h.Get($"/api/mix/{id}"))["version"]!;
        raw["rawWhy"] = "the trial asks just that";
        await _h.Post("/api/mix", new { id, version, asked = raw });
        var (status, _) = await _h.Send("/api/mix", new { id, version, asked = raw }, null);
        status.ShouldBeOneOf(409, 422);
        await Step(id, new { step = "mixed" });
        ((string)(await _h.Get($"/api/mix/{id}"))["state"]!).ShouldBe("mixed");
    }

    [Fact]
    public async Task A_trial_brings_its_treatments_as_mixes()
    {
        var beetroot = (int)(await _h.Get("/api/judge/trials")).AsArray().Single(t => ((string)t!["question"]!)
            .Contains("char", StringComparison.Ordinal))!["id"]!;
        var start = await _h.Get($"/api/mix/start?trial={beetroot}");
        start["mixes"]!.AsArray().Count.ShouldBe(6);
        start["mixes"]!.AsArray().ShouldAllBe(m => (string)m!["count"]! == "4");
        ((string)start["name"]!).Length.ShouldBeLessThanOrEqualTo(60);
        (await _h.Get("/api/mix/start"))["parts"]!.AsArray().Count.ShouldBe(2);
    }

    [Fact]
    public async Task A_heap_is_built_measured_by_note_turned_and_taken_up_as_a_source()
    {
        var asked = new {
            name = "heap 3", place = "bay 4", parts = new object[] { new { materialId = "grass", amount = "400 L" },
            new { materialId = "straw", amount = "" } }
        };
        var id = (int)(await _h.Post("/api/heaps", new { asked }))["id"]!;
        (await _h.Refused("/api/heaps", new { asked }))["name"].ShouldContain("already");
        _h.Clock.Advance(TimeSpan.FromDays(2));
        var read = await _h.Post("/api/notes/read", new { text = "heap 3 58 C" });
        ((string)read["understood"]!["sentence"]!).ShouldBe("Core 58 °C heap 3.");
        await _h.Post("/api/notes", new { text = "heap 3 58 C" });
        ((string)(await _h.Get($"/api/heaps/{id}"))["word"]!).ShouldBe("58 °C, day 2");
        _h.Clock.Advance(TimeSpan.FromDays(3));
        await _h.Post($"/api/heaps/{id}/steps", new { step = "warmth", warmth = "60" });
        var today = (await _h.Get("/api/today"))["items"]!.ToJsonString();
        today.ShouldContain($"heap-turn-{id}");
        await _h.Post("/api/notes", new { text = "turned heap 3" });
        (await _h.Get("/api/today"))["items"]!.ToJsonString().ShouldNotContain($"heap-turn-{id}");
        ((double)(await _h.Get($"/api/heaps/{id}"))["stands"]!["value"]!["hotDays"]!).ShouldBe(3, 0.01);
        (await _h.Refused($"/api/heaps/{id}/steps", new { step = "sieved", amount = "200 L" }))["note"].ShouldContain("not judged cured");
        await _h.Post($"/api/heaps/{id}/steps", new { step = "sieved", amount = "200 L", note = "as a mulch" });
        var heap = await _h.Get($"/api/heaps/{id}");
        ((string)heap["lots"]![0]!["leftShown"]!).ShouldBe("200 L");
        (await _h.Get("/api/brew/sources")).ToJsonString().ShouldContain("compost, heap 3");
        var entry = (int)heap["log"]![0]!["id"]!;
        await _h.Post($"/api/heaps/{id}/steps/{entry}/strike", new { why = "wrong heap" });
        ((string)(await _h.Get($"/api/heaps/{id}"))["lots"]![0]!["leftShown"]!).ShouldBe("0 L");
        (await _h.Refused($"/api/heaps/{id}/steps/{entry}/strike", new { why = "again" }))["id"].ShouldContain("struck already");
        (await _h.Refused($"/api/heaps/{id}/steps",
            new { step = "turned", at = _h.Now.AddDays(-30) }))["at"].ShouldContain("not built yet");
    }

    [Fact]
    public async Task A_figure_of_ones_own_in_the_table_changes_the_recipe()
    {
        var asked = new {
            name = "heap 4", parts = new object[] { new { materialId = "grass", amount = "400 L" },
            new { materialId = "straw", amount = "" } }
        };
        string Solved(JsonNode told) => (string)told["value"]!["missingShown"]!;
        Solved(await _h.Post("/api/heaps/work-out", asked)).ShouldStartWith("720 L of straw (57.6 kg)");
        await _h.Post("/api/heaps/materials", new { materialId = "grass", carbon = "42", nitrogen = "2", moisture = "78", kgPerL = "0.3" });
        Solved(await _h.Post("/api/heaps/work-out", asked)).ShouldNotContain("57.6 kg");
        await _h.Post("/api/heaps/materials", new { name = "spent hops", carbon = "46", nitrogen = "3", moisture = "80", kgPerL = "0.3" });
        (await _h.Get("/api/heaps"))["materials"]!.AsArray().Count(m => (bool)m!["own"]!).ShouldBe(2);
        (await _h.Refused("/api/heaps/materials", new { name = "x", carbon = "NaN", nitrogen = "3", moisture = "80", kgPerL = "0.3" })).Keys
            .ShouldContain("carbon");
    }

    [Fact]
    public async Task The_yard_draws_what_stands_on_the_ground_behind()
    {
        var behind = (await _h.Get("/api/make/yard"))["behind"]!.AsArray();
        behind.Select(b => (string)b!["kind"]!).ShouldBe(["worms", "sheet", "hotHeap", "heap", "buried", "charge"]);
        ((string)behind[4]!["says"]!["figure"]!).ShouldBe("lift from 22 Jun");
        ((string)behind[2]!["says"]!["word"]!).ShouldBe("61 °C, day 9");
        ((string)behind[2]!["says"]!["figure"]!).ShouldStartWith("turn it on ");
        ((string)behind[3]!["says"]!["figure"]!).ShouldBe("sieve it");
        var calendar = (await _h.Http.GetStringAsync("/api/calendar.ics")).Replace("\r\n ", "", StringComparison.Ordinal);
        calendar.ShouldContain("SUMMARY:Turn heap 2");
        calendar.ShouldContain("SUMMARY:Is the charge of Dahlias\\, spring pots damp?");
        var book = (await _h.Get("/api/book?kind=mix"))["entries"]!.AsArray().Select(e => (string)e!["title"]!).ToList();
        book.ShouldContain("heap 1 judged cured");
        book.ShouldContain("heap 2 built");
        (await _h.Http.GetAsync("/api/heaps/2/qr.svg")).Content.Headers.ContentType!.MediaType.ShouldBe("image/svg+xml");
        (await _h.Http.GetAsync("/api/mix/99")).StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound);
    }
}
