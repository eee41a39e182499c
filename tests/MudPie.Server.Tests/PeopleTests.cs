using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;

namespace MudPie.Server.Tests;

/// <summary>Signing in, joining by a code, being struck off, and what is written down of it.</summary>
public sealed class PeopleTests
{
    private static async Task<int> Status(HttpClient who, string path = "/api/today")
    {
        using var answer = await who.GetAsync(path);
        return (int)answer.StatusCode;
    }

    private static async Task<List<string>> Happened(TestHolding h) =>
        [.. (await h.Get("/api/people"))["happened"]!.AsArray().Select(x => (string)x!["says"]!)];

    private static Task<(int Status, JsonNode Reply)> SignIn(HttpClient who, string name, string password) =>
        TestHolding.Send(who, "/api/people/sign-in", new { name, password });

    [Fact]
    public async Task From_the_first_owner_on_nobody_reads_without_signing_in()
    {
        using var h = new TestHolding(demo: true);
        using var stranger = h.CreateClient();
        (await Status(stranger)).ShouldBe(200); // at the machine itself
        await h.Owned();
        (await Status(stranger)).ShouldBe(401);
        (await Status(h.Http)).ShouldBe(200);
        ((string?)(await h.Get("/api/me"))["name"]).ShouldBe("the owner");
        (await TestHolding.Send(stranger, "/api/people/owner", new { name = "another", password = "four dry sacks of bran" })).Status
            .ShouldBe(422);
        (await SignIn(stranger, "The Owner", TestHolding.Password)).Status.ShouldBe(200); // names are read whatever their case
        (await Status(stranger)).ShouldBe(200);
        using var again = new TestHolding(h);
        (await Status(again.Http)).ShouldBe(401, "after a restart too");
    }

    [Theory]
    [InlineData("short")]
    [InlineData("aaaaaaaaaaaaaaaa")]
    [InlineData("abcdefghijklmnop")]
    [InlineData("123456789012345")]
    [InlineData("the owner of it all")]
    [InlineData("my password is long")]
    public async Task A_password_that_is_soon_guessed_is_refused_with_what_would_do(string password)
    {
        using var h = new TestHolding();
        (await h.Refused("/api/people/owner", new { name = "the owner", password }))["password"].ShouldContain("at least 12 signs");
        ((string?)(await h.Get("/api/me"))["role"]).ShouldBe("owner", "and the file is still open at the machine");
    }

    [Fact]
    public async Task A_code_is_good_once_and_for_ten_minutes()
    {
        using var h = new TestHolding(demo: true);
        await h.Owned();
        var made = await h.Post("/api/people/codes", new { name = "Wren", role = "hand" });
        var code = (string)made["code"]!;
        ((string)made["address"]!).ShouldEndWith($"/join#{code}");
        ((string)made["square"]!).ShouldStartWith("<svg");
        using var phone = h.CreateClient();
        var typed = code.ToLowerInvariant().Replace("-", " ");
        (await TestHolding.Send(phone, "/api/people/join", new { code = typed, device = "Wren's phone" })).Status
            .ShouldBe(200, "as people type it");
        var me = JsonNode.Parse(await phone.GetStringAsync("/api/me"))!;
        ((string?)me["name"], (string?)me["role"], (bool)me["stays"]!).ShouldBe(("Wren", "hand", true));
        using var second = h.CreateClient();
        (await TestHolding.Send(second, "/api/people/join", new { code, device = "another" })).Status.ShouldBe(422);
        var person = (int)(await h.Get("/api/people"))["people"]!.AsArray().Single(p => (string?)p!["name"] == "Wren")!["id"]!;
        var late = (string)(await h.Post("/api/people/codes", new { person }))["code"]!;
        h.Clock.Advance(TimeSpan.FromMinutes(11));
        (await TestHolding.Send(second, "/api/people/join", new { code = late, device = "another" })).Status.ShouldBe(422);
        (await Happened(h)).ShouldContain("Wren joined with Wren's phone.");
    }

    [Fact]
    public async Task What_is_about_an_owner_asks_for_the_password_again()
    {
        using var h = new TestHolding(demo: true);
        await h.Owned();
        ((bool)(await h.Get("/api/me"))["hasPassword"]!).ShouldBeTrue();
        using var phone = await h.Joined("hand", "Wren");
        var people = (await h.Get("/api/people"))["people"]!.AsArray();
        int Of(string name) => (int)people.Single(p => (string?)p!["name"] == name)!["id"]!;
        (string Door, Dictionary<string, object?> Asked)[] about = [
            ("/api/people/codes", new() { ["name"] = "Robin", ["role"] = "owner" }), // somebody new
            ("/api/people/codes", new() { ["person"] = Of("the owner") }), // a phone of one's own
            ($"/api/people/{Of("Wren")}/role", new() { ["role"] = "owner" }),
            ($"/api/people/{Of("Wren")}/role", new() { ["role"] = "hand" }), // who is an owner by now
        ];
        foreach (var (door, asked) in about)
        {
            foreach (var wrong in new[] { null, "", "nine red hens in a barn" })
            {
                asked["password"] = wrong;
                var (status, reply) = await h.Send(door, asked, null);
                status.ShouldBe(422, door);
                ((string)reply["fields"]![0]!["field"]!).ShouldBe("password");
            }

            asked["password"] = TestHolding.Password;
            (await h.Send(door, asked, null)).Status.ShouldBe(200, door);
        }

        (await h.Get("/api/people"))["people"]!.AsArray().Select(p => $"{p!["name"]} {p["role"]}").Order()
            .ShouldBe(["Robin owner", "Wren hand", "the owner owner"]); // what was refused made nobody
        await h.Post($"/api/people/{Of("Wren")}/role", new { role = "visitor" }); // about no owner
        (await Happened(h)).ShouldContain("A wrong password for the owner.");
    }

    [Fact]
    public async Task After_too_many_wrong_codes_those_that_are_open_are_void()
    {
        using var h = new TestHolding(demo: true);
        await h.Owned();
        var code = (string)(await h.Post("/api/people/codes", new { name = "Wren", role = "hand" }))["code"]!;
        using var guesser = h.CreateClient();
        for (var i = 0; i < 20; i++)
        {
            (await TestHolding.Send(guesser, "/api/people/join", new { code = $"2222-{2222 + i}", device = "x" })).Status.ShouldBe(422);
        }

        (await TestHolding.Send(guesser, "/api/people/join", new { code, device = "x" })).Status.ShouldBe(422);
        (await Happened(h)).ShouldContain("Too many wrong codes: those that were open were made void.");
    }

    [Fact]
    public async Task Ones_own_lost_phone_is_struck_off_by_the_other_and_nobody_elses()
    {
        using var h = new TestHolding(demo: true);
        await h.Owned();
        using var lost = await h.Joined("visitor", "Wren");
        using var robins = await h.Joined("hand", "Robin");
        var wren = (int)(await h.Get("/api/people"))["people"]!.AsArray().Single(p => (string?)p!["name"] == "Wren")!["id"]!;
        using var other = h.CreateClient();
        (await TestHolding.Send(other, "/api/people/join", new {
            code = (string)(await h.Post("/api/people/codes", new { person = wren }))["code"]!, device = "Wren's tablet"
        })).Status.ShouldBe(200);
        var mine = JsonNode.Parse(await other.GetStringAsync("/api/people/mine"))!.AsArray();
        mine.Select(d => (string)d!["name"]!).ShouldBe(["Wren's phone", "Wren's tablet"]);
        mine.Select(d => (bool)d!["here"]!).ShouldBe([false, true]);
        var strike = $"/api/people/mine/{mine[0]!["id"]}/strike";
        (await TestHolding.Send(robins, strike, new { })).Status.ShouldBe(404, "it is not theirs");
        (await Status(lost)).ShouldBe(200);
        (await TestHolding.Send(other, strike, new { })).Status.ShouldBe(200);
        (await Status(lost)).ShouldBe(401);
        (await Status(other)).ShouldBe(200);
        (await TestHolding.Send(other, strike, new { })).Status.ShouldBe(404, "it is struck off already");
        (await Happened(h)).ShouldContain("Wren struck off Wren's phone (Wren).");
        using var nobody = h.CreateClient();
        (await Status(nobody, "/api/people/mine")).ShouldBe(401);
    }

    [Fact]
    public async Task Who_is_struck_off_is_out_with_the_next_request_and_joined_phones_outlast_a_new_password()
    {
        using var h = new TestHolding(demo: true);
        await h.Owned();
        using var phone = await h.Joined("hand", "Wren");
        h.Clock.Advance(TimeSpan.FromDays(30));
        (await Status(phone)).ShouldBe(200, "a phone stays joined");
        (await Status(h.Http)).ShouldBe(401, "a sitting has ended by itself");
        (await SignIn(h.Http, "the owner", TestHolding.Password)).Status.ShouldBe(200);
        (await h.Refused("/api/people/password", new { old = "not this one at all", fresh = "nine cold stones by a weir" }))
            .ShouldContainKey("old");
        await h.Post("/api/people/password", new { old = TestHolding.Password, fresh = "nine cold stones by a weir" });
        (await Status(h.Http)).ShouldBe(200);
        (await Status(phone)).ShouldBe(200);
        var device = (await h.Get("/api/people"))["people"]!.AsArray().Single(p => (string?)p!["name"] == "Wren")!["devices"]![0]!;
        await h.Post($"/api/people/devices/{device["id"]}/strike", new { });
        using var answer = await phone.GetAsync("/api/today");
        ((int)answer.StatusCode).ShouldBe(401);
        (await answer.Content.ReadAsStringAsync()).ShouldContain("This device was struck off.");
        (await Happened(h)).ShouldContain("the owner struck off Wren's phone (Wren).");
    }

    [Fact]
    public async Task A_sitting_ends_when_nobody_touches_it_and_after_twelve_hours()
    {
        using var h = new TestHolding(demo: true);
        await h.Owned();
        for (var i = 0; i < 8; i++)
        {
            h.Clock.Advance(TimeSpan.FromMinutes(80));
            (await Status(h.Http)).ShouldBe(200);
        }

        h.Clock.Advance(TimeSpan.FromMinutes(90));
        (await Status(h.Http)).ShouldBe(401, "twelve hours are over");
        (await SignIn(h.Http, "the owner", TestHolding.Password)).Status.ShouldBe(200);
        h.Http.DefaultRequestHeaders.Add("Mudpie-Idle", "3000"); // a page that stands open asks by itself
        h.Clock.Advance(TimeSpan.FromMinutes(80));
        (await Status(h.Http)).ShouldBe(200);
        h.Clock.Advance(TimeSpan.FromMinutes(80));
        (await Status(h.Http)).ShouldBe(401);
    }

    [Fact]
    public async Task A_password_tried_wrongly_too_often_is_locked_and_the_page_says_so()
    {
        using var h = new TestHolding(demo: true);
        await h.Owned();
        using var guesser = h.CreateClient();
        for (var i = 0; i < 6; i++)
        {
            (await SignIn(guesser, "the owner", $"a wrong guess {i}")).Status.ShouldBe(422);
        }

        var (status, reply) = await SignIn(guesser, "the owner", TestHolding.Password);
        (status, (string?)reply["title"]).ShouldBe((422, "It was tried wrongly too often, and is locked for a quarter of an hour."));
        (await Status(h.Http)).ShouldBe(200, "who is in stays in");
        var happened = (await h.Get("/api/people"))["happened"]!.AsArray();
        happened.Count(x => (bool)x!["mind"]!).ShouldBeGreaterThan(5);
        // of a name that is not known no more is said than of a wrong password
        ((string?)(await SignIn(guesser, "nobody at all", "a wrong guess")).Reply["title"])
            .ShouldBe("That name and password do not belong together.");
    }

    [Fact]
    public async Task Tries_are_counted_by_the_minute()
    {
        using var h = new TestHolding(demo: true, settings: [("Holding:TriesAMinute", "3")]);
        using var guesser = h.CreateClient();
        for (var i = 0; i < 3; i++)
        {
            (await SignIn(guesser, "x", "y")).Status.ShouldBe(422);
        }

        (await SignIn(guesser, "x", "y")).Status.ShouldBe(429);
    }

    [Fact]
    public async Task The_last_owner_stays_one_and_who_comes_no_more_is_out()
    {
        using var h = new TestHolding(demo: true);
        await h.Owned();
        using var phone = await h.Joined("visitor", "Wren");
        var people = (await h.Get("/api/people"))["people"]!.AsArray();
        var (owner, wren) = ((int)people[0]!["id"]!, (int)people[1]!["id"]!);
        (await h.Refused($"/api/people/{owner}/role", new { role = "hand" })).ShouldContainKey("role");
        (await h.Refused($"/api/people/{owner}/role", new { role = (string?)null })).ShouldContainKey("role");
        await h.Post($"/api/people/{wren}/role", new { role = "owner", password = TestHolding.Password });
        (await Status(phone, "/api/people")).ShouldBe(200, "what they may holds from the next request");
        await h.Post($"/api/people/{wren}/role", new { role = (string?)null, password = TestHolding.Password });
        (await Status(phone)).ShouldBe(401);
        (await h.Get("/api/people"))["people"]!.AsArray().Count.ShouldBe(1);
    }

    [Fact]
    public async Task What_one_writes_the_other_is_told_as_it_is_written_until_it_is_struck_off()
    {
        using var h = new TestHolding(demo: true);
        await h.Owned();
        using var phone = await h.Joined("hand", "Wren");
        using var line = await phone.GetAsync("/api/live", HttpCompletionOption.ResponseHeadersRead);
        using var told = new StreamReader(await line.Content.ReadAsStreamAsync());
        (await told.ReadLineAsync()).ShouldBe("event: here");
        var key = Guid.NewGuid().ToString();
        await h.Post("/api/look/field", new { bedIds = new[] { 1 }, did = new { deed = "watered", amount = "20 L" }, at = h.Now }, key);
        List<string> lines = [];
        while (lines.Count < 2 || lines[^2] != "event: written")
        {
            lines.Add((await told.ReadLineAsync())!);
        }

        lines[^1].ShouldBe($"data: /api/look/field {key[..8]}");
        var device = (await h.Get("/api/people"))["people"]!.AsArray().Single(p => (string?)p!["name"] == "Wren")!["devices"]![0]!;
        await h.Post($"/api/people/devices/{device["id"]}/strike", new { });
        while (await told.ReadLineAsync() is not null)
        {
            // what was on its way
        }
    }

    [Fact]
    public async Task A_calendar_reads_by_a_secret_address_that_can_be_changed_and_opens_nothing_else()
    {
        using var h = new TestHolding(demo: true);
        ((string?)(await h.Get("/api/people/feed"))["address"]).ShouldEndWith("/api/calendar.ics");
        await h.Owned();
        ((string?)(await h.Get("/api/people/feed"))["address"]).ShouldBeNull();
        using var calendar = h.CreateClient();
        (await Status(calendar, "/api/calendar.ics")).ShouldBe(401);
        var first = new Uri((string)(await h.Post("/api/people/feed", new { }))["address"]!).PathAndQuery;
        (await calendar.GetStringAsync(first)).ShouldStartWith("BEGIN:VCALENDAR");
        var key = first[first.IndexOf('?')..];
        (await Status(calendar, "/api/today" + key)).ShouldBe(401, "it is good for that page alone");
        var second = new Uri((string)(await h.Post("/api/people/feed", new { }))["address"]!).PathAndQuery;
        (await Status(calendar, first)).ShouldBe(401, "the one before is good no more");
        (await Status(calendar, second)).ShouldBe(200);
        (await Status(calendar, second[..^1])).ShouldBe(401);
        (await Happened(h)).ShouldContain("the owner changed the address of the calendar.");
    }

    [Theory]
    [InlineData("Sec-Fetch-Site", "cross-site")]
    [InlineData("Sec-Fetch-Site", "same-site")]
    [InlineData("Origin", "https://elsewhere.example")]
    [InlineData("Origin", "null")]
    public async Task Another_sites_page_can_make_it_do_nothing(string header, string value)
    {
        using var h = new TestHolding(demo: true);
        h.Http.DefaultRequestHeaders.Add(header, value);
        (await h.Send("/api/holding/units", new { units = "metric" }, null)).Status.ShouldBe(403);
    }

    [Fact]
    public async Task What_is_written_says_who_wrote_it_by_what_and_when_it_came()
    {
        using var h = new TestHolding(demo: true);
        await h.Owned();
        using var phone = await h.Joined("hand", "Wren");
        (await TestHolding.Send(phone, "/api/look/field", new {
            bedIds = new[] { 1 }, did = new { deed = "watered", amount = "20 L" },
            at = h.Now.AddHours(-3)
        })).Status.ShouldBe(200);
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        using var file = new SqliteConnection($"Data Source={h.FilePath};Pooling=False");
        file.Open();
        using var ask = file.CreateCommand();
        ask.CommandText = "SELECT d.\"By\", d.Device, d.Request, d.At - f.At FROM FieldLog f JOIN Deeds d ON d.Id = f.WrittenIn";
        using var row = ask.ExecuteReader();
        row.Read().ShouldBeTrue();
        (row.GetString(0), row.GetString(1), row.GetString(2)).ShouldBe(("Wren", "Wren's phone", "POST /api/look/field"));
        row.GetInt64(3).ShouldBe(3 * 3600 * 1000);
        row.Read().ShouldBeFalse();
    }
}
