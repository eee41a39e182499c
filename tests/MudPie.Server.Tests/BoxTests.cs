using System.Text.Json.Nodes;
using Microsoft.Extensions.DependencyInjection;
using MudPie.Records;
using MudPie.Server.Box;
using MudPie.Server.Held;

namespace MudPie.Server.Tests;

/// <summary>A co-operative's box: many holdings, each its own file and its own people, and nothing of one is ever another's.</summary>
public sealed class BoxTests
{
    private static Task<(int Status, JsonNode Reply)> SignIn(HttpClient who, string name, string password) =>
        TestHolding.Send(who, "/api/people/sign-in", new { name, password });

    private static async Task<List<string>> Names(HttpClient owner) =>
        [.. (await TestBox.Get(owner, "/api/people"))["people"]!.AsArray().Select(p => (string)p!["name"]!)];

    [Fact]
    public async Task Two_holdings_of_one_box_know_nothing_of_each_other()
    {
        using var box = new TestBox();
        using var north = await box.Make("north-field");
        using var south = await box.Make("south-field");
        await TestBox.Write(north, "by the pond");
        (await TestBox.Get(north, "/api/people/written"))["lines"]!.AsArray().Count.ShouldBe(2);
        (await TestBox.Get(south, "/api/people/written"))["lines"]!.AsArray().Count.ShouldBe(1);
        (await TestBox.Get(north, "/api/people/written")).ToJsonString().ShouldContain("the grower");
        (await north.GetStringAsync("/api/look/walk")).ShouldContain("pond");
        (await south.GetStringAsync("/api/look/walk")).ShouldNotContain("pond");
        // a key used at one is free at the other
        await TestBox.Write(north, "first", "one key for both");
        await TestBox.Write(south, "second", "one key for both");
        (await TestBox.Status(box.Keeper, "http://north-field.localhost/api/today")).ShouldBe(401, "who keeps the box keeps no record");
    }

    [Fact]
    public async Task What_lets_in_at_one_holding_lets_nobody_in_at_another()
    {
        using var box = new TestBox();
        using var north = await box.Make("north-field");
        using var south = await box.Make("south-field");
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/people/sign-in") {
            Content = System.Net.Http.Json.JsonContent.Create(new { name = "the grower", password = TestBox.PasswordOf("north-field") })
        };
        using var signed = await box.Visitor("north-field").SendAsync(request);
        var cookie = signed.Headers.GetValues("Set-Cookie").Single().Split(';')[0];
        foreach (var (at, status) in new[] { ("north-field", 200), ("south-field", 401), ("", 401) })
        {
            using var ask = new HttpRequestMessage(HttpMethod.Get, at.Length == 0 ? "/api/box" : "/api/today");
            ask.Headers.Add("Cookie", cookie);
            using var bare = box.CreateClient(new() {
                BaseAddress = new Uri($"http://{(at.Length == 0 ? "" : at + ".")}localhost"), HandleCookies = false
            });
            using var answer = await bare.SendAsync(ask);
            ((int)answer.StatusCode).ShouldBe(status, at);
        }

        var (refused, _) = await SignIn(box.Visitor("south-field"), "the grower", TestBox.PasswordOf("north-field"));
        refused.ShouldBe(422, "another of the same name");
        var code = (string)(await TestHolding.Send(north, "/api/people/codes", new { name = "Wren", role = "hand" })).Reply["code"]!;
        (await TestHolding.Send(box.Visitor("south-field"), "/api/people/join", new { code, device = "x" })).Status.ShouldBe(422);
        (await box.Join("north-field", code)).Dispose();
        (await Names(south)).ShouldBe(["the grower"]);
        var device = (int)(await TestBox.Get(north, "/api/people"))["people"]!.AsArray()
            .Single(p => (string)p!["name"]! == "Wren")!["devices"]![0]!["id"]!;
        (await TestHolding.Send(south, $"/api/people/devices/{device}/strike", new { })).Status.ShouldBe(404);
        (await TestHolding.Send(south, $"/api/people/devices/{device}/name", new { name = "mine" })).Status.ShouldBe(404);
        (await TestBox.Get(south, "/api/people"))["happened"]!.ToJsonString().ShouldNotContain("Wren");
    }

    [Fact]
    public async Task One_person_comes_to_several_holdings_by_their_own_word_only()
    {
        using var box = new TestBox();
        using var north = await box.Make("north-field");
        using var south = await box.Make("south-field", "the other grower");
        async Task<string> Code() =>
            (string)(await TestHolding.Send(south, "/api/people/codes", new { name = "Anna", role = "hand" })).Reply["code"]!;
        var code = await Code();
        var wrong = new { name = "the grower@north-field", password = "not the one at all" };
        var no = (await TestHolding.Send(box.Visitor("south-field"), "/api/people/join", new { code, device = "x", known = wrong })).Reply;
        ((string)no["fields"]![0]!["field"]!).ShouldBe("known");
        var known = new { name = "the grower@north-field", password = TestBox.PasswordOf("north-field") };
        using var phone = await box.Join("south-field", code, known); // the code was still good
        ((string?)(await TestBox.Get(phone, "/api/me"))["role"]).ShouldBe("hand");
        (await Names(south)).ShouldBe(["the other grower", "the grower"], "and no Anna is left over");
        using var atBox = box.Visitor("");
        (await SignIn(atBox, known.name, known.password)).Status.ShouldBe(200);
        var seen = await TestBox.Get(atBox, "/api/box");
        seen["mine"]!.AsArray().Select(m => (string)m!["address"]!)
            .ShouldBe(["http://north-field.localhost", "http://south-field.localhost"]);
        (seen["all"] as JsonArray).ShouldBeNull();
        (await TestHolding.Send(atBox, "/api/box/holdings", new { name = "mine", owner = "me" })).Status.ShouldBe(403);
        using var desk = box.Visitor("south-field");
        (await SignIn(desk, "the grower", known.password)).Status.ShouldBe(200, "by the plain name too where they come");
        // whose phone it is can't be made somebody who comes already
        var theirs = (await TestBox.Get(south, "/api/people"))["people"]!.AsArray().Single(p => (string)p!["name"]! == "the other grower")!;
        code = (string)(await TestHolding.Send(south, "/api/people/codes", new {
            person = (int)theirs["id"]!, password = TestBox.PasswordOf("south-field")
        })).Reply["code"]!;
        (await TestHolding.Send(box.Visitor("south-field"), "/api/people/join", new { code, device = "x", known })).Status.ShouldBe(422);
        (await Names(south)).ShouldContain("the other grower");
    }

    [Fact]
    public async Task A_holding_is_closed_when_nobody_was_there_and_nothing_goes_on_and_opens_with_the_next_request()
    {
        using var box = new TestBox();
        using var north = await box.Make("north-field");
        using var south = await box.Make("south-field");
        await box.Start(south);
        (await TestBox.Status(north, "/api/today")).ShouldBe(200);
        box.All.Open.ShouldBe(2);
        box.Clock.Advance(TimeSpan.FromMinutes(9));
        (await box.All.CloseIdle()).ShouldBe(0);
        box.Clock.Advance(TimeSpan.FromMinutes(2));
        (await box.All.CloseIdle()).ShouldBe(1);
        box.All.Stands("south-field").IsOpen.ShouldBeTrue("a brew is going there");
        box.All.Stands("north-field").IsOpen.ShouldBeFalse();
        HoldingLease.Take(box.All.FileOf("north-field")).Dispose(); // nobody has it
        await Task.WhenAll(Enumerable.Range(0, 20).Select(async _ => (await TestBox.Status(north, "/api/today")).ShouldBe(200)));
        box.All.Stands("north-field").IsOpen.ShouldBeTrue();
        (await TestBox.Status(box.Visitor("nobodys"), "/api/today")).ShouldBe(404);
        (await TestBox.Status(box.Visitor("nobodys"), "/")).ShouldBe(404);
        (await TestBox.Status(box.Visitor("people"), "/api/me")).ShouldBe(404, "the box's own file is no holding");
    }

    [Fact]
    public async Task Many_who_come_at_once_to_one_that_is_closed_all_get_in()
    {
        using var box = new TestBox(background: true);
        using var north = await box.Make("north-field");
        for (var round = 0; round < 15; round++)
        {
            while (box.All.Stands("north-field").IsOpen)
            {
                await box.All.Close("north-field");
            }

            // each asks for something else that there is one of for each holding, while its workers ask too
            await Task.WhenAll(new[] { "/api/today", "/api/copies", "/api/me", "/api/put-out/windows", "/api/people", "/api/brew/batches" }
                .Select(path => Task.Run(async () => (await TestBox.Status(north, path)).ShouldBe(200, path))));
        }
    }

    [Fact]
    public async Task Past_a_hundred_those_go_first_that_nobody_is_at()
    {
        using var box = new TestBox();
        (await box.Make("a-first")).Dispose();
        var first = box.All.FileOf("a-first");
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        await box.All.Close("a-first");
        for (var i = 0; i < OpenHoldings.Most + 3; i++)
        {
            File.Copy(first, box.All.FileOf($"n{i}"));
            box.Clock.Advance(TimeSpan.FromSeconds(1));
            (await TestBox.Status(box.Visitor($"n{i}"), "/api/me")).ShouldBe(200);
        }

        while (box.All.Open > OpenHoldings.Most)
        {
            await Task.Delay(20, TestContext.Current.CancellationToken); // they are being closed
        }

        box.All.Stands("n0").IsOpen.ShouldBeFalse();
        box.All.Stands($"n{OpenHoldings.Most + 2}").IsOpen.ShouldBeTrue();
        (await TestBox.Status(box.Visitor("n0"), "/api/me")).ShouldBe(200, "and comes again when it is asked for");
    }

    [Fact]
    public async Task Each_has_its_copies_at_night_also_those_that_nobody_comes_to()
    {
        using var box = new TestBox();
        (await box.Make("north-field")).Dispose();
        (await box.Make("bare", setUp: false)).Dispose();
        box.Clock.Advance(TimeSpan.FromHours(30));
        await box.All.CloseIdle();
        box.All.Open.ShouldBe(0);
        using var keeper = ActivatorUtilities.CreateInstance<BoxKeeper>(box.Services);
        await keeper.Round(TestContext.Current.CancellationToken);
        box.All.Open.ShouldBe(0, "and is closed again");
        DatedCopies.In(DatedCopies.Folder(box.All.FileOf("north-field")), box.All.FileOf("north-field")).Single().ByHand.ShouldBeNull();
        DatedCopies.In(DatedCopies.Folder(box.All.FileOf("bare")), box.All.FileOf("bare")).ShouldBeEmpty("nothing is in it");
        DatedCopies.In(DatedCopies.Folder(box.All.Box!.Place.File), box.All.Box.Place.File).Count.ShouldBe(1, "of its people");
        (await SignIn(box.Keeper, "the keeper", TestBox.Keepers)).Status.ShouldBe(200); // that sitting ended long ago
        var lines = (await TestBox.Get(box.Keeper, "/api/box?find=north"))["all"]!.AsArray();
        ((string)lines.Single()!["says"]!).ShouldEndWith("1 person, copied today");
    }

    [Fact]
    public async Task A_holding_is_put_away_with_its_people_opens_alone_and_comes_back()
    {
        using var box = new TestBox();
        using var north = await box.Make("north-field");
        (await TestHolding.Send(north, "/api/people/codes", new { name = "Wren", role = "hand" })).Status.ShouldBe(200);
        (await TestHolding.Send(box.Keeper, "/api/box/holdings/north-field/archive", new { })).Status.ShouldBe(200);
        (await TestBox.Status(north, "/api/today")).ShouldBe(404);
        var away = Path.Combine(box.All.Archive, "north-field.mudpie");
        File.Exists(away + "-wal").ShouldBeFalse("the file alone is the whole of it");
        using (var alone = new TestHolding(await File.ReadAllBytesAsync(away, TestContext.Current.CancellationToken)))
        {
            (await TestBox.Status(alone.Http, "/api/today")).ShouldBe(401);
            (await SignIn(alone.Http, "the grower", TestBox.PasswordOf("north-field"))).Status.ShouldBe(200);
            (await Names(alone.Http)).ShouldBe(["the grower", "Wren"]);
            await TestBox.Write(alone.Http, "written alone");
        }

        (await TestHolding.Send(box.Keeper, "/api/box/holdings", new { name = "north-field", owner = "x" })).Status.ShouldBe(422);
        (await TestHolding.Send(box.Keeper, "/api/box/holdings/north-field/back", new { })).Status.ShouldBe(200);
        (await TestBox.Status(north, "/api/today")).ShouldBe(200, "a phone that had joined is known still");
    }

    [Fact]
    public async Task Whoever_came_to_one_that_went_elsewhere_does_not_come_to_a_new_one_of_its_name()
    {
        using var box = new TestBox();
        using var before = await box.Make("north-field");
        (await TestHolding.Send(box.Keeper, "/api/box/holdings/north-field/archive", new { })).Status.ShouldBe(200);
        File.Delete(Path.Combine(box.All.Archive, "north-field.mudpie"));
        var (status, made) = await TestHolding.Send(box.Keeper, "/api/box/holdings", new { name = "north-field", owner = "the grower" });
        status.ShouldBe(200, made.ToJsonString());
        (await TestBox.Status(before, "/api/today")).ShouldBe(401);
        (await SignIn(box.Visitor("north-field"), "the grower", TestBox.PasswordOf("north-field"))).Status.ShouldBe(422);
        using var now = await box.Join("north-field", (string)made["code"]!);
        (await Names(now)).ShouldBe(["the grower"]);
    }

    [Fact]
    public async Task A_file_that_is_laid_into_the_folder_is_a_holding_and_brings_its_people()
    {
        using var box = new TestBox();
        using (var alone = new TestHolding())
        {
            await alone.Post("/api/holding/setup", TestHolding.SetUp);
            await alone.Owned();
            HoldingCopies.Copy(alone.FilePath, box.All.FileOf("came-along"));
        }

        using var desk = box.Visitor("came-along");
        (await SignIn(desk, "the owner", TestHolding.Password)).Status.ShouldBe(200);
        (await desk.GetStringAsync("/api/ground")).ShouldContain("Ridge Bed 4");
        // whose password is lost is let in by whoever keeps the box, and everybody there sees it
        const string door = "/api/box/holdings/came-along/owner";
        (await TestHolding.Send(box.Keeper, door, new { owner = "the owner" })).Reply["fields"]![0]!["field"]!.GetValue<string>()
            .ShouldBe("password", "the keeper's open page is not enough");
        var (status, code) = await TestHolding.Send(box.Keeper, door, new { owner = "the owner", password = TestBox.Keepers });
        status.ShouldBe(200);
        (await box.Join("came-along", (string)code["code"]!)).Dispose();
        (await TestBox.Get(desk, "/api/people"))["happened"]!.ToJsonString().ShouldContain("the keeper (keeps the box) made a code");
        (await TestHolding.Send(box.Keeper, "/api/box/holdings/nobodys/owner", new { owner = "x", password = TestBox.Keepers })).Status
            .ShouldBe(404);
    }

    [Theory]
    [InlineData("North")]
    [InlineData("north field")]
    [InlineData("-north")]
    [InlineData("north--field-")]
    [InlineData("../north")]
    [InlineData("people")]
    [InlineData("")]
    [InlineData("a.b")]
    [InlineData("nörth")]
    public async Task A_name_that_can_be_no_part_of_an_address_is_refused(string name)
    {
        using var box = new TestBox();
        var (status, reply) = await TestHolding.Send(box.Keeper, "/api/box/holdings", new { name, owner = "the grower" });
        status.ShouldBe(422);
        ((string)reply["fields"]![0]!["field"]!).ShouldBe("name");
        (await TestHolding.Send(box.Keeper, "/api/box/holdings", new { name = "fine", owner = " " })).Reply["fields"]![0]!["field"]!
            .ToString().ShouldBe("owner");
        Directory.GetFiles(box.Folder, "*.mudpie").Length.ShouldBe(1, "nothing was made but the box's own");
    }

    [Fact]
    public async Task A_damaged_holding_hurts_no_other()
    {
        using var box = new TestBox();
        using var north = await box.Make("north-field");
        await File.WriteAllBytesAsync(box.All.FileOf("broken"), [.. "SQLite format 3\0"u8, .. new byte[5000]],
            TestContext.Current.CancellationToken);
        using var broken = box.Visitor("broken");
        for (var i = 0; i < 2; i++)
        {
            using var answer = await broken.GetAsync("/api/me", TestContext.Current.CancellationToken);
            ((int)answer.StatusCode).ShouldBe(503);
            (await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken)).ShouldNotContain(box.Folder);
        }

        (await TestBox.Status(north, "/api/today")).ShouldBe(200);
        (await TestBox.Get(box.Keeper, "/api/box"))["all"]!.AsArray().Count.ShouldBe(2);
        using var keeper = ActivatorUtilities.CreateInstance<BoxKeeper>(box.Services);
        await keeper.Round(TestContext.Current.CancellationToken); // and goes on past it
    }

    [Fact]
    public async Task At_the_boxs_own_page_there_is_no_record_to_ask_for()
    {
        using var box = new TestBox();
        using var north = await box.Make("north-field");
        var doors = (await TestBox.Get(box.Keeper, "/openapi/v1.json"))["paths"]!.AsObject();
        foreach (var path in doors.Select(d => d.Key).Where(p => p.StartsWith("/api/", StringComparison.Ordinal) && !p.Contains('{')
            && doors[p]!["get"] is not null))
        {
            var both = path is "/api/me" or "/api/people" or "/api/people/mine" or "/api/people/yard"
                or "/api/people/passkeys";
            (await TestBox.Status(box.Keeper, path)).ShouldBe(both || path == "/api/box" ? 200 : 404, path);
            if (path == "/api/box")
            {
                (await TestBox.Status(north, path)).ShouldBe(404);
            }
        }

        (await TestBox.Status(box.Keeper, "/ready")).ShouldBe(200);
        (await TestBox.Status(north, "/ready")).ShouldBe(200);
        (await TestHolding.Send(box.Keeper, "/api/people/codes", new { name = "Wren", role = "hand" })).Status.ShouldBe(422);
        (await TestHolding.Send(north, "/api/people/yard", new { open = true })).Status.ShouldBe(422);
    }
}
