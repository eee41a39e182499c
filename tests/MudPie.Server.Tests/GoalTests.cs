using System.Text.Json.Nodes;

namespace MudPie.Server.Tests;

/// <summary>Goals against their lines, and what hangs from them.</summary>
public class GoalTests : IDisposable
{
    private readonly TestHolding _h = new(demo: true);

    public void Dispose()
    {
        _h.Dispose();
        GC.SuppressFinalize(this);
    }

    private async Task<JsonArray> Goals() => (await _h.Get("/api/look/goals"))["goals"]!.AsArray();

    private static object Softer(string name = "softer ridge", string target = "3", string on = "2025-01-10") => new {
        name, measure = "check", check = "worms", bedId = 5, baselineOn = on, baseline = "4", targetOn = "2027-03-01", target,
        baselineFrom = "the notebook of 2024", met = "twice over 12", ifMissed = "more mulch"
    };

    [Fact]
    public async Task Three_goals_of_the_demo_are_told_and_one_of_them_is_behind()
    {
        var goals = await Goals();
        goals.Count.ShouldBe(3);
        var stands = goals.Select(g => (string)g!["answer"]!["value"]!["stands"]!).ToList();
        stands.Count(s => s == "behind").ShouldBe(1, string.Join(", ", stands));
        var rod = goals.First(g => (string)g!["measured"]! == "hardest depth, MPa")!;
        rod["points"]!.AsArray().Count.ShouldBeGreaterThan(1);
        rod["points"]![0]!["lower"].ShouldNotBeNull();
        goals.First(g => (string)g!["measure"]! == "boughtNitrogen")!["points"]!.AsArray().ShouldNotBeEmpty();
    }

    [Fact]
    public async Task A_goal_is_set_measured_hung_with_a_job_and_let_go()
    {
        var id = (int)(await _h.Post("/api/look/goals", Softer(target: "12")))["id"]!;
        var goal = (await Goals()).First(g => (int)g!["id"]! == id)!;
        goal["points"]!.AsArray().Select(p => (double)p!["value"]!).ShouldBe([9, 34.0 / 3, 14], 0.01);
        ((string)goal["answer"]!["value"]!["sentence"]!).ShouldContain("wanted by 9 Apr");
        ((string)goal["spentShown"]!).ShouldBe("Nothing hangs from it yet.");
        var job = (await _h.Get("/api/look/goals"))["recent"]!.AsArray().First(t => (string)t!["kind"]! == "job"
            && t["money"] is not null)!;
        await _h.Post($"/api/look/goals/{id}/hang", new { kind = "job", thingId = (int)job["thingId"]!, on = true });
        await _h.Post($"/api/look/goals/{id}/hang", new { kind = "trial", thingId = 1, on = true });
        goal = (await Goals()).First(g => (int)g!["id"]! == id)!;
        ((string)goal["spentShown"]!).ShouldStartWith("2 things done for it; ");
        ((string)goal["spentShown"]!).ShouldEndWith("of 1 more it is not known.");
        await _h.Post($"/api/look/goals/{id}/hang", new { kind = "trial", thingId = 1, on = false });
        (await Goals()).First(g => (int)g!["id"]! == id)!["hung"]!.AsArray().Count.ShouldBe(1);
        await _h.Post($"/api/look/goals/{id}/end", new { });
        (await Goals()).Count.ShouldBe(3);
        (await _h.Refused($"/api/look/goals/{id}/hang", new { kind = "job", thingId = 1 })).Keys.ShouldBe(["id"]);
    }

    [Fact]
    public async Task What_cannot_be_a_goal_is_told_at_its_field()
    {
        (await _h.Refused("/api/look/goals", new { })).Keys.ShouldBe(["name", "measure", "baseline", "target", "baselineOn", "targetOn"],
            ignoreOrder: true);
        (await _h.Refused("/api/look/goals", Softer(target: "4"))).Keys.ShouldBe(["target"]);
        (await _h.Refused("/api/look/goals", Softer(on: "2028-01-01"))).Keys.ShouldBe(["targetOn"]);
        (await _h.Refused("/api/look/goals", Softer(on: "0202-01-01"))).Keys.ShouldBe(["baselineOn"]);
        (await _h.Refused("/api/look/goals", new {
            name = "fewer", measure = "uses", inputId = 999, bedId = 999, baseline = "4",
            target = "1",
            baselineOn = "2025-01-01", targetOn = "2027-01-01"
        })).Keys.ShouldBe(["inputId", "bedId"], ignoreOrder: true);
        (await _h.Refused("/api/look/goals/1/hang", new { kind = "cow", thingId = 1 })).Keys.ShouldBe(["thingId"]);
    }
}
