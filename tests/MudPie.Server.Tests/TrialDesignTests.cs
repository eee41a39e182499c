using System.Globalization;
using System.Text.Json.Nodes;

namespace MudPie.Server.Tests;

/// <summary>Trials of other shapes than blocks, from the plan to the verdict: things crossed, split plots, and a holding that speaks US
/// customary.</summary>
public sealed class TrialDesignTests
{
    private static IEnumerable<string[]> Crossed(params string[][] levels) =>
        levels.Aggregate<string[], IEnumerable<string[]>>([[]], (sets, of) => sets.SelectMany(s => of.Select(l => (string[])[.. s, l])));

    private static Dictionary<string, object?> Plan(string design, string[] factors, string[][] levels, int replicates,
        params (string Key, object? Value)[] more)
    {
        var treatments = Crossed(levels).Select((l, i) => new Dictionary<string, object?> {
            ["name"] = string.Join(", ", l), ["levels"] = l,
            ["role"] = i == 0 ? "control" : "treatment"
        }).ToList();
        var plan = new Dictionary<string, object?> {
            ["question"] = "Which of these lifts beet?",
            ["crop"] = "beet",
            ["season"] = "this summer",
            ["design"] = design,
            ["kind"] = "beds",
            ["liquid"] = false,
            ["factors"] = factors,
            ["treatments"] = treatments,
            ["replicates"] = replicates,
            ["noise"] = "0.1",
            ["worthHaving"] = "0.3",
            ["places"] = new[] { new { name = "Ridge Bed 4", length = "30 m", width = "1.2 m" } },
            ["measures"] = new object[] { new { kindId = "yieldM2" } },
            ["blind"] = false,
        };
        foreach (var (key, value) in more)
        {
            plan[key] = value;
        }

        return plan;
    }

    /// <summary>Plans, draws, begins, measures every plot by its treatment, and asks.</summary>
    private static async Task<(JsonNode Trial, JsonNode Answer)> Through(TestHolding h, object plan, Func<JsonNode, double> yields)
    {
        var id = (int)(await h.Post("/api/judge/trials", plan))["id"]!;
        await h.Post($"/api/judge/trials/{id}/layout", new { });
        await h.Post($"/api/judge/trials/{id}/steps", new { step = "start" });
        var trial = await h.Get($"/api/judge/trials/{id}");
        var measure = (int)trial["measures"]![0]!["id"]!;
        var plots = (await h.Get($"/api/judge/trials/{id}/key")).AsArray();
        foreach (var plot in plots)
        {
            await h.Post($"/api/judge/trials/{id}/readings", new {
                plotId = (int)plot!["id"]!, measureId = measure,
                value = yields(plot).ToString("0.000", CultureInfo.InvariantCulture)
            });
        }

        await h.Post($"/api/judge/trials/{id}/steps", new { step = "end" });
        return (trial, await h.Get($"/api/judge/trials/{id}/answer"));
    }

    /// <summary>A plot's own straying, the same wherever the lot put it.</summary>
    private static double Stray(JsonNode plot) =>
        0.03 * ((($"{plot["treatment"]} {plot["block"]}".Aggregate(7, (h, c) => ((h * 31) + c) % 7919) % 13) - 6) / 6.0);

    private static JsonNode Judged(JsonNode answer) => answer["answer"]!["value"]!;

    [Fact]
    public async Task Four_things_crossed_are_planned_drawn_measured_and_judged_each_over_the_others()
    {
        using var h = new TestHolding(demo: true);
        var (trial, answer) = await Through(
            h, Plan("factorial", ["char", "tea", "kelp", "mulch"],
                [["none", "char"], ["none", "tea"], ["none", "kelp"], ["none", "mulch"]], 2),
            p => 3 + (((string)p["treatment"]!).Contains("tea", StringComparison.Ordinal) ? 0.8 : 0) + Stray(p));
        trial["plots"]!.AsArray().Count.ShouldBe(32);
        var verdicts = Judged(answer)["verdicts"]!.AsArray();
        verdicts.Single(v => (string)v!["of"]! == "tea")!["word"]!.GetValue<string>().ShouldBe("works");
        verdicts.Where(v => (string)v!["of"]! != "tea")
            .ShouldAllBe(v => (string)v!["word"]! != "works" && Math.Abs((double)v["difference"]!) < 0.05);
    }

    [Fact]
    public async Task Five_by_five_is_no_longer_refused_and_two_hundred_and_one_treatments_are()
    {
        using var h = new TestHolding(demo: true);
        string[] Five(string name) => [.. Enumerable.Range(0, 5).Select(i => i == 0 ? "none" : $"{name} {i}")];
        var id = (int)(await h.Post("/api/judge/trials", Plan("factorial", ["char", "tea"], [Five("char"), Five("tea")], 4)))["id"]!;
        await h.Post($"/api/judge/trials/{id}/layout", new { });
        (await h.Get($"/api/judge/trials/{id}"))["plots"]!.AsArray().Count.ShouldBe(100);
        var many = Enumerable.Range(0, 67).Select(i => i == 0 ? "none" : $"c{i}").ToArray();
        (await h.Refused("/api/judge/trials", Plan("factorial", ["char", "tea"], [many, ["none", "a", "b"]], 2))).Keys
            .ShouldContain("treatments");
        (await h.Refused("/api/judge/trials", Plan("factorial", ["a", "b", "c", "d", "e", "f"],
            [.. Enumerable.Range(0, 6).Select(_ => new[] { "none", "x" })], 2))).Keys.ShouldContain("factors");
    }

    [Fact]
    public async Task A_split_plot_says_one_thing_of_what_lay_within_whole_plots()
    {
        using var h = new TestHolding(demo: true);
        var (_, answer) = await Through(
            h, Plan("split-plot", ["mulch", "tea"], [["none", "mulch"], ["none", "tea"]], 4),
            p => 3 + (((string)p["treatment"]!).EndsWith("tea", StringComparison.Ordinal) ? 0.8 : 0)
                + ((int.Parse((string)p["block"]!, CultureInfo.InvariantCulture) % 2 == 0 ? 0.8 : -0.8)
                    * (((string)p["treatment"]!).StartsWith("mulch", StringComparison.Ordinal) ? 1 : -1)) + Stray(p));
        var told = Judged(answer);
        told["anova"]!.AsArray().Single(l => (string)l!["term"]! == "tea")!["p"]!.GetValue<double>().ShouldBeLessThan(0.001);
        var within = told["verdicts"]!.AsArray().Single(v => (string)v!["of"]! == "none, tea")!;
        within["word"]!.GetValue<string>().ShouldBe("works");
        told["verdicts"]!.AsArray().Single(v => (string)v!["of"]! == "mulch, none")!["word"]!.GetValue<string>()
            .ShouldBe("cannot tell yet");
        told["sentence"]!.GetValue<string>().ShouldContain("“none, tea” gave");
    }

    [Fact]
    public async Task In_a_us_holding_a_trial_is_planned_and_earns_in_pounds_feet_and_acres()
    {
        using var h = new TestHolding(demo: true);
        await h.Post("/api/holding/units", new { units = "usCustomary" });
        var kinds = (await h.Get("/api/judge/measures")).AsArray();
        kinds.ShouldAllBe(k => !((string)k!["unit"]!).Contains("kg") && !((string)k!["unit"]!).Contains("hectare")
            && (string)k!["unit"]! != "cm");
        (await h.Get("/api/judge/templates")).AsArray().SelectMany(t => t!["measures"]!.AsArray())
            .ShouldAllBe(m => kinds.Any(k => (string)k!["id"]! == (string)m!));
        var plan = Plan(
            "blocks", ["treatment"], [["nothing", "tea"]], 5, ("measures", new object[] { new { kindId = "yieldFt2" } }),
            ("places", new[] { new { name = "Ridge Bed 4", length = "100 ft", width = "4 ft" } }),
            ("money", new { costPerAcre = 120, pricePerUnit = 2, basis = "perFt2" }), ("worthHaving", "0.05"), ("noise", "0.02"));
        ((List<Dictionary<string, object?>>)plan["treatments"]!)[1]["rate"] = "1 fl oz";
        ((List<Dictionary<string, object?>>)plan["treatments"]!)[1]["rateBasis"] = "perFt2";
        ((List<Dictionary<string, object?>>)plan["treatments"]!)[1]["water"] = "3 fl oz";
        var (trial, answer) = await Through(h, plan, p => ((string)p["treatment"]! == "tea" ? 1.3 : 1.0) + (0.1 * Stray(p)));
        var tea = trial["treatments"]!.AsArray().Single(t => (string)t!["name"]! == "tea")!;
        tea["rate"]!.GetValue<string>().ShouldBe("1 fl oz a sq ft");
        tea["water"]!.GetValue<string>().ShouldBe("3 fl oz");
        var earns = answer["money"]!["value"]!["sentence"]!.GetValue<string>();
        earns.ShouldContain("an acre");
        earns.ShouldNotContain("hectare");
        Judged(answer)["unit"]!.GetValue<string>().ShouldBe("lb a sq ft");
        (await h.Refused("/api/judge/trials/worth",
            new { pricePerUnit = 2, costPerAcre = -1, basis = "perAcre" }))["costPerAcre"].ShouldContain("acre");
        var patch = await h.Refused("/api/judge/patches",
            new { bedId = 1, candidates = new[] { new { inputId = 1, ratePerHa = "love" } } });
        patch["candidates[0].ratePerHa"].ShouldNotBeNullOrEmpty();
    }
}
