namespace MudPie.Server.Tests;

/// <summary>The demo holding opens as it should, whatever the hour.</summary>
public class DemoTests
{
    [Fact]
    public async Task Saltmarsh_End_opens_with_the_Barrel_sliding_and_a_reading_late()
    {
        using var h = new TestHolding(demo: true);
        var holding = await h.Get("/api/holding");
        ((string)holding["name"]!).ShouldBe("Saltmarsh End");
        ((bool)holding["isDemo"]!).ShouldBeTrue();

        var titles = (await h.Get("/api/today"))["items"]!.AsArray().Select(i => (string)i!["title"]!).ToList();
        titles[0].ShouldBe("The Barrel is sliding toward 6");
        titles.ShouldContain(t => t.StartsWith("Oxygen reading in the Barrel", StringComparison.Ordinal)
            && t.EndsWith("late", StringComparison.Ordinal));
        titles.ShouldContain(t => t.StartsWith("Brix on", StringComparison.Ordinal));

        var batches = (await h.Get("/api/brew/batches")).AsArray();
        batches.Count.ShouldBe(17);
        batches.Count(b => (string)b!["state"]! == "heaped").ShouldBe(3);
        foreach (var b in batches.Where(b => (string)b!["state"]! == "used" && b["lowestOxygen"] is not null))
        {
            ((double)b!["lowestOxygen"]!).ShouldBeGreaterThanOrEqualTo(6);
        }

        var ground = await h.Get("/api/ground");
        ground["beds"]!.AsArray().Count.ShouldBe(13);
        ground["inputs"]!.AsArray().ShouldContain(i => (string?)i!["lot"] == "LM-2");
        (await h.Get("/api/judge/brix"))["pairs"]!.AsArray().ShouldContain(p => p!["difference"] != null);
        var line = await h.Get("/api/day-line");
        line["brews"]!.AsArray().Count.ShouldBe(2);
        line["sun"]!.AsArray().Count.ShouldBeGreaterThan(5);
    }
}
