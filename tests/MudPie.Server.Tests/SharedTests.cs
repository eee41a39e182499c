using System.Text.Json.Nodes;

namespace MudPie.Server.Tests;

/// <summary>A vessel that the holdings of a box share: booked by one at a time, handed over clean, its card with it.</summary>
public sealed class SharedTests
{
    private static readonly string[] Steps = ["rinse", "walls", "air", "bag", "dry"];

    private static async Task<JsonNode> Did(HttpClient who, string path, object body, string? key = null)
    {
        var (status, reply) = await TestHolding.Send(who, path, body, key);
        status.ShouldBe(200, $"{path}: {reply.ToJsonString()}");
        return reply;
    }

    private static async Task<(string Field, string Wrong)> Refused(HttpClient who, string path, object body)
    {
        var (status, reply) = await TestHolding.Send(who, path, body);
        status.ShouldBe(422, reply.ToJsonString());
        var problem = reply["fields"]![0]!;
        return ((string)problem["field"]!, (string)problem["wrong"]!);
    }

    private static async Task<JsonNode> Vessel(HttpClient who, int id) => (await TestBox.Get(who, "/api/shared"))["vessels"]!.AsArray()
        .Single(v => (int)v!["id"]! == id)!;

    private static async Task<string> Wants(HttpClient who) => string.Join("; ", (await TestBox.Get(who, "/api/today"))["items"]!.AsArray()
        .Select(i => $"{i!["title"]}: {i["detail"]}"));

    private static async Task Wash(HttpClient who, int vessel)
    {
        foreach (var step in Steps)
        {
            await Did(who, $"/api/brew/vessels/{vessel}/clean", new { step });
        }
    }

    private static async Task<int> Offer(HttpClient who) => (int)(await Did(who, "/api/shared/vessels", new { vesselId = 1 }))["id"]!;

    private static object Time(TestBox box, double from, double until) =>
        new { from = box.Clock.GetUtcNow().AddHours(from), until = box.Clock.GetUtcNow().AddHours(until) };

    [Fact]
    public async Task A_vessel_is_offered_booked_handed_over_clean_brewed_in_and_handed_home()
    {
        using var box = new TestBox();
        using var north = await box.Make("north-field");
        using var south = await box.Make("south-field", "the other grower");
        var id = await Offer(north);
        (await Refused(north, "/api/shared/vessels", new { vesselId = 1 })).ShouldBe(("vesselId", "It is shared already."));
        await Did(south, $"/api/shared/vessels/{id}/bookings", Time(box, 2, 50));
        (await Wants(south)).ShouldContain("Fetch ");
        (await Wants(north)).ShouldContain(" over to Saltmarsh End");
        await box.Start(north); // a brew in it
        (await Refused(north, $"/api/shared/vessels/{id}/give", new { to = "south-field", signed = "Anna" }))
            .ShouldBe(("vessel", "A brew is in it."));
        (await Vessel(north, id))["canGo"]!.GetValue<bool>().ShouldBeFalse();
        await Did(north, "/api/brew/batches/1/heap", new { why = "it smelt sour" });
        (await Refused(north, $"/api/shared/vessels/{id}/give", new { to = "south-field", signed = "Anna" })).Wrong
            .ShouldStartWith("It is not logged clean: Rinse, Walls");
        await Wash(north, 1);
        (await Refused(north, $"/api/shared/vessels/{id}/give", new { to = "elsewhere", signed = "Anna" })).Field.ShouldBe("to");
        await Did(north, $"/api/shared/vessels/{id}/give", new { to = "south-field", signed = "Anna" });
        ((string)(await Vessel(north, id))["where"]!).ShouldContain("not received yet");
        (await TestBox.Get(north, "/api/brew/cleaning"))[0]!["says"]!.ToString().ShouldBe("With Saltmarsh End.");
        (await TestBox.Get(north, "/api/make/yard"))["vessels"]![0]!["says"]!["word"]!.ToString().ShouldBe("lent");
        (await Refused(south, $"/api/shared/vessels/{id}/give", new { to = "north-field", signed = "Ben" })).Wrong
            .ShouldBe("It is not here.", "they have not looked at it yet");

        (await Wants(south)).ShouldContain("look at it, and say how it came");
        var card = (await Vessel(south, id))["card"]!["handings"]![0]!;
        ((string)card["signed"]!).ShouldBe("Anna");
        card["steps"]!.AsArray().Count.ShouldBe(5);
        var kit = (int)(await Did(south, $"/api/shared/vessels/{id}/receive", new { clean = true }))["id"]!;
        (await Vessel(south, id))["kitId"]!.GetValue<int>().ShouldBe(kit);
        (await Refused(south, $"/api/shared/vessels/{id}/receive", new { clean = false, what = "slime" })).Wrong
            .ShouldBe("It was received already.");
        (await Refused(north, "/api/shared/vessels", new { vesselId = 1 })).Wrong.ShouldBe("It is with Saltmarsh End.");
        (await TestBox.Get(south, "/api/ground"))["vessels"]!.AsArray().Select(v => (string)v!["name"]!).Distinct().Count().ShouldBe(2);

        // used there, and home again: by their log of it, not by anybody else's
        var plan = await Did(south, "/api/brew/plan", new {
            bedIds = new[] { 1 }, purpose = "leaf", useAt = box.Clock.GetUtcNow().AddHours(48), warmthC = 18, swingC = 2, vesselId = kit
        });
        plan.ToJsonString().ShouldNotContain("vessel-unclean");
        await Did(south, $"/api/shared/vessels/{id}/give", new { to = "north-field", signed = "Ben" });
        box.Clock.Advance(TimeSpan.FromHours(1));
        await Did(north, $"/api/shared/vessels/{id}/receive", new { clean = false, what = "slime under the rim" });
        (await TestBox.Get(north, "/api/brew/cleaning"))[0]!["says"]!.ToString().ShouldStartWith("It came from another holding, and not");
        (await Did(north, "/api/brew/plan", new {
            bedIds = new[] { 1 }, purpose = "leaf", useAt = box.Clock.GetUtcNow().AddHours(48), warmthC = 18, swingC = 2, vesselId = 1
        })).ToJsonString().ShouldContain("vessel-unclean");
        ((string)(await Vessel(south, id))["card"]!["handings"]![0]!["foundWhat"]!).ShouldBe("slime under the rim");
        await Wash(north, 1);
        (await TestBox.Get(north, "/api/brew/cleaning"))[0]!["clean"]!.GetValue<bool>().ShouldBeTrue();
    }

    [Fact]
    public async Task Its_card_says_what_its_owner_s_kit_says_and_so_does_whoever_has_it()
    {
        using var box = new TestBox();
        using var north = await box.Make("north-field");
        using var south = await box.Make("south-field", "the other grower");
        var id = await Offer(north);
        async Task<JsonNode> Kit(HttpClient who, int vessel) => (await TestBox.Get(who, "/api/ground"))["vessels"]!.AsArray()
            .Single(v => (int)v!["id"]! == vessel)!;
        async Task<object> As(HttpClient who, int vessel, string name, string total) => new {
            id = vessel, version = (string)(await Kit(who, vessel))["version"]!, name,
            shape = "barrel", total, working = "150 L", depth = "0.7 m"
        };
        await Did(north, "/api/ground/vessels", await As(north, 1, "the blue barrel", "180 L"));
        var card = (await Vessel(south, id))["card"]!;
        ((string)card["name"]!, (double)card["totalL"]!).ShouldBe(("the blue barrel", 180));
        var air = (await TestBox.Get(north, "/api/brew/air/1"))["bench"]!;
        air["pumps"]![0]!["count"] = "3";
        await Did(north, "/api/brew/air/1", air);

        await Did(south, $"/api/shared/vessels/{id}/bookings", Time(box, 1, 30));
        await Did(north, $"/api/shared/vessels/{id}/give", new { to = "south-field", signed = "Anna" });
        (await Refused(north, "/api/ground/vessels", await As(north, 1, "the red barrel", "190 L"))).Wrong
            .ShouldStartWith("It is with Saltmarsh End");
        var kit = (int)(await Did(south, $"/api/shared/vessels/{id}/receive", new { clean = true }))["id"]!;
        ((string)(await Kit(south, kit))["name"]!).ShouldBe("the blue barrel");
        ((string)(await TestBox.Get(south, $"/api/brew/air/{kit}"))["bench"]!["pumps"]![0]!["count"]!).ShouldBe("3");
        (await Refused(south, "/api/ground/vessels", await As(south, kit, "ours", "190 L"))).ShouldBe(("name", "It is Saltmarsh End’s."));

        // home, changed, and lent again: its copy there says the new
        await Did(south, $"/api/shared/vessels/{id}/give", new { to = "north-field", signed = "Ben" });
        await Did(north, $"/api/shared/vessels/{id}/receive", new { clean = true });
        await Did(north, "/api/ground/vessels", await As(north, 1, "the green barrel", "200 L"));
        await Did(north, $"/api/shared/vessels/{id}/give", new { to = "south-field", signed = "Anna" });
        await Did(south, $"/api/shared/vessels/{id}/receive", new { clean = true });
        ((string)(await Kit(south, kit))["name"]!).ShouldBe("the green barrel");
        (await TestBox.Get(south, "/api/shared"))["days"]!.AsArray().Count.ShouldBe(22);
    }

    [Fact]
    public async Task No_two_have_it_at_once_however_many_ask()
    {
        using var box = new TestBox();
        using var north = await box.Make("north-field");
        using var south = await box.Make("south-field", "the other grower");
        var id = await Offer(north);
        var asked = await Task.WhenAll(Enumerable.Range(0, 16).Select(i => TestHolding.Send(i % 2 == 0 ? north : south,
            $"/api/shared/vessels/{id}/bookings", Time(box, 10 + (0.1 * i), 20))));
        asked.Count(a => a.Status == 200).ShouldBe(1);
        asked.Where(a => a.Status != 200).ShouldAllBe(a => a.Reply.ToJsonString().Contains("It is free for as long from"));
        (await Vessel(south, id))["bookings"]!.AsArray().Count.ShouldBe(1);
    }

    [Fact]
    public async Task What_is_sent_twice_is_done_once()
    {
        using var box = new TestBox();
        using var north = await box.Make("north-field");
        var (id, time) = (await Offer(north), Time(box, 1, 3));
        var first = await Did(north, $"/api/shared/vessels/{id}/bookings", time, "the same key");
        (await Did(north, $"/api/shared/vessels/{id}/bookings", time, "the same key")).ToJsonString().ShouldBe(first.ToJsonString());
        (await Vessel(north, id))["bookings"]!.AsArray().Count.ShouldBe(1);

        // what is shared was written, and the holding's own record was not: it is found by its key, and not done again
        await using (var file = new Microsoft.Data.Sqlite.SqliteConnection($"Data Source={box.All.FileOf("north-field")};Pooling=False"))
        {
            await file.OpenAsync(TestContext.Current.CancellationToken);
            using var forget = file.CreateCommand();
            forget.CommandText = "DELETE FROM Acknowledgements WHERE \"Key\" = 'the same key'";
            forget.ExecuteNonQuery().ShouldBe(1);
        }

        (await Did(north, $"/api/shared/vessels/{id}/bookings", time, "the same key")).ToJsonString().ShouldBe(first.ToJsonString());
        (await Vessel(north, id))["bookings"]!.AsArray().Count.ShouldBe(1);
    }

    [Fact]
    public async Task Bookings_are_called_off_by_those_who_may()
    {
        using var box = new TestBox();
        using var north = await box.Make("north-field");
        using var south = await box.Make("south-field", "the other grower");
        using var east = await box.Make("east-field", "a third grower");
        var id = await Offer(north);
        var booked = (int)(await Did(south, $"/api/shared/vessels/{id}/bookings", Time(box, 10, 20)))["id"]!;
        (await Vessel(east, id))["bookings"]![0]!["canCallOff"]!.GetValue<bool>().ShouldBeFalse();
        (await Refused(east, $"/api/shared/bookings/{booked}/off", new { })).Field.ShouldBe("id");
        (await Refused(north, $"/api/shared/vessels/{id}/end", new { })).Wrong.ShouldEndWith("has it booked.");
        (await Refused(south, $"/api/shared/vessels/{id}/end", new { })).Wrong.ShouldBe("It is not shared any more.");
        await Did(north, $"/api/shared/bookings/{booked}/off", new { });
        await Did(east, $"/api/shared/vessels/{id}/bookings", Time(box, 12, 14));
        await Did(east, $"/api/shared/bookings/{booked + 1}/off", new { });
        await Did(north, $"/api/shared/vessels/{id}/end", new { });
        (await TestBox.Get(south, "/api/shared"))["vessels"]!.AsArray().ShouldBeEmpty();
        await Offer(north); // and can be shared again
        (await TestBox.Get(south, "/api/shared"))["vessels"]!.AsArray().Count.ShouldBe(1);
    }

    [Fact]
    public async Task What_its_pump_leaves_whole_stands_on_its_card_and_is_never_more_than_all()
    {
        using var box = new TestBox();
        using var north = await box.Make("north-field");
        using var south = await box.Make("south-field", "the other grower");
        var id = await Offer(north);
        (await Refused(south, $"/api/shared/vessels/{id}/counts", new { before = new[] { 5 }, after = new[] { 5 } })).Wrong
            .ShouldBe("It is not here.");
        (await Refused(north, $"/api/shared/vessels/{id}/counts", new { before = new[] { 0 }, after = new[] { 5 } })).Field
            .ShouldBe("before");
        await Did(north, $"/api/shared/vessels/{id}/counts", new { before = new[] { 16, 16, 16, 16 }, after = new[] { 18, 18, 18, 18 } });
        var whole = (await Vessel(south, id))["card"]!["counts"]![0]!["whole"]!["value"]!;
        whole["high95"]!.GetValue<double>().ShouldBe(1);
        whole["share"]!.GetValue<double>().ShouldBe(1);
        // 72/64 · exp(−1.96 √(1/64 + 1/72)) = 0.803…
        whole["low95"]!.GetValue<double>().ShouldBe(18.0 / 16 * Math.Exp(-1.959964 * Math.Sqrt((1 / 64.0) + (1 / 72.0))), 1e-9);
        (await south.GetStringAsync($"/api/shared/vessels/{id}/card.json", TestContext.Current.CancellationToken)).ShouldContain("low95");
    }

    [Fact]
    public async Task A_handing_that_did_not_happen_is_taken_back()
    {
        using var box = new TestBox();
        using var north = await box.Make("north-field");
        using var south = await box.Make("south-field", "the other grower");
        var id = await Offer(north);
        await Did(south, $"/api/shared/vessels/{id}/bookings", Time(box, 1, 3));
        await Did(north, $"/api/shared/vessels/{id}/give", new { to = "south-field", signed = "Anna" });
        (await Refused(south, $"/api/shared/vessels/{id}/keep", new { })).Field.ShouldBe("id");
        await Did(north, $"/api/shared/vessels/{id}/keep", new { });
        ((string)(await Vessel(north, id))["where"]!).ShouldBe("It is here.");
        (await TestBox.Get(north, "/api/brew/cleaning"))[0]!["handedTo"].ShouldBeNull();
        (await Refused(south, $"/api/shared/vessels/{id}/receive", new { clean = true })).Field.ShouldBe("id");
    }

    [Fact]
    public async Task A_new_holding_of_an_old_name_has_nothing_shared_and_what_is_put_away_is_not_lent()
    {
        using var box = new TestBox();
        using var north = await box.Make("north-field");
        using var south = await box.Make("south-field", "the other grower");
        var id = await Offer(north);
        await Offer(south);
        await Did(south, $"/api/shared/vessels/{id}/bookings", Time(box, 1, 3));
        await Did(box.Keeper, "/api/box/holdings/south-field/archive", new { });
        (await TestBox.Get(north, "/api/shared"))["vessels"]!.AsArray().Count.ShouldBe(1, "its file is not there");
        File.Delete(Path.Combine(box.All.Archive, "south-field.mudpie"));
        using var again = await box.Make("south-field", "somebody new");
        var seen = (await TestBox.Get(again, "/api/shared"))["vessels"]!.AsArray();
        seen.Count.ShouldBe(1);
        seen[0]!["bookings"]!.AsArray().ShouldBeEmpty();
        (await TestBox.Get(again, "/api/shared"))["own"]!.AsArray().Count.ShouldBe(1);
    }

    [Fact]
    public async Task A_holding_by_itself_shares_nothing()
    {
        using var alone = new TestHolding();
        await alone.Post("/api/holding/setup", TestHolding.SetUp);
        (await alone.Get("/api/shared"))["atBox"]!.GetValue<bool>().ShouldBeFalse();
        (await Refused(alone.Http, "/api/shared/vessels", new { vesselId = 1 })).Field.ShouldBe("box");
        (await TestBox.Status(alone.Http, "/api/shared/vessels/1/card.json")).ShouldBe(404);
    }
}
