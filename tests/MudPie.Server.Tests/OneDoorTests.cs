namespace MudPie.Server.Tests;

/// <summary>A deed has one door, and the words that a grower typed come back.</summary>
public class OneDoorTests
{
    [Fact]
    public async Task What_was_typed_stands_beside_the_figure_and_in_the_field_that_puts_it_right()
    {
        using var h = new TestHolding(demo: true);
        await h.Post("/api/brew/batches/14/log", new { kind = "warmth", value = "64 F" });
        await h.Post("/api/notes", new { text = "o2 6.7 drum" });
        var log = (await h.Get("/api/brew/batches/14"))["log"]!.AsArray();
        var warmth = log.Single(l => (string?)l!["typed"] == "typed “64 F”")!;
        ((string)warmth["shown"]!).ShouldBe("17.8 °C");
        ((string)warmth["again"]!).ShouldBe("64 F");
        var noted = log.Single(l => (string?)l!["typed"] == "typed “o2 6.7 drum”")!;
        ((string)noted["again"]!).ShouldBe("6.7 mg/L"); // a phrase is no figure: the figure with its unit is
        await h.Post($"/api/brew/batches/14/log/{noted["id"]}/correct", new { kind = "oxygen", value = (string)noted["again"]! });

        await h.Post("/api/book/harvests", new { bedId = 5, weight = "26 lb" });
        (await h.Get("/api/book?kind=harvest&bed=5"))["entries"]![0]!["lines"]!.AsArray().Select(l => (string)l!)
            .ShouldContain("typed “26 lb”");
    }

    [Fact]
    public async Task A_noted_use_meets_the_gate_of_the_sprayer_that_it_names()
    {
        using var h = new TestHolding(demo: true);
        var (text, cautionsSeen) = ("sprayed 30 ml kelp on ridge bed 4 with the old knapsack", new[] { "spraying", "run-off" });
        (await h.Post("/api/notes/read", new { text }))["minds"]!.AsArray().Select(m => (string)m!)
            .ShouldContain(m => m.Contains("weed-killer or pesticide", StringComparison.Ordinal));
        (await h.Refused("/api/notes", new { text, cautionsSeen })).Keys.ShouldBe(["text"]);
        await h.Post("/api/notes", new { text = "sprayed 30 ml kelp on ridge bed 4 with the biology knapsack", cautionsSeen });
        var job = (await h.Get("/api/put-out"))["past"]![0]!;
        ((string)job["tool"]!).ShouldBe("15 L knapsack, kept for biology");
        ((bool)job["toWash"]!).ShouldBeTrue(); // and it waits to be washed, as after any job
    }

    [Fact]
    public async Task A_tank_is_first_proposed_by_the_brew_the_bottle_or_the_giving_that_it_starts_from()
    {
        using var h = new TestHolding(demo: true);
        var empty = (await h.Get("/api/put-out/tank/start?purpose=root"))["value"]!;
        ((string)empty["purpose"]!, (string)empty["spare"]!, empty["batchId"]).ShouldBe(("root", "5", null));
        var line = (await h.Get("/api/put-out"))["ready"]![0]!;
        var brew = (await h.Get($"/api/put-out/tank/start?batch={line["id"]}"))["value"]!;
        ((int)brew["batchId"]!, (string)brew["purpose"]!).ShouldBe(((int)line["id"]!, (string)line["purpose"]!));
        brew["bedIds"]!.AsArray().ShouldNotBeEmpty();
        var sprayer = (await h.Get("/api/put-out/sprayers")).AsArray().Single(s => (int)s!["id"]! == (int)brew["sprayerId"]!)!;
        ((bool)sprayer["ruling"]!["value"]!["allowed"]!).ShouldBeTrue();
        var season = await h.Get("/api/put-out/programmes");
        var programme = season["programmes"]!.AsArray().First(p => p!["givings"]!.AsArray().Any(g => g!["inputId"] is not null))!;
        var giving = programme["givings"]!.AsArray().First(g => g!["inputId"] is not null)!;
        var given = (await h.Get($"/api/put-out/tank/start?giving={giving["id"]}&bed=1"))["value"]!;
        ((int)given["bedIds"]![0]!, (int)given["items"]![0]!["inputId"]!, (string)given["items"]![0]!["rate"]!)
            .ShouldBe(((int)programme["bedId"]!, (int)giving["inputId"]!, (string)giving["tankRate"]!));
        using var gone = await h.Http.GetAsync("/api/put-out/tank/start?batch=999999");
        ((int)gone.StatusCode).ShouldBe(404);
    }
}
