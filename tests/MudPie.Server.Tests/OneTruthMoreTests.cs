using System.Text.Json.Nodes;
using Microsoft.Extensions.DependencyInjection;

namespace MudPie.Server.Tests;

/// <summary>What two screens must never say differently, asked over HTTP: sources, steps, drenches, races in their windows,
/// units.</summary>
public sealed class OneTruthMoreTests : IDisposable
{
    private readonly TestHolding _h = new();

    public void Dispose() => _h.Dispose();

    private object Planned(string purpose = "leaf", double hoursOn = 48, object? more = null, string? making = null) =>
        new { bedIds = new[] { 1 }, purpose, making, useAt = _h.Now.AddHours(hoursOn), warmthC = 18, swingC = 2, moreSources = more };

    private async Task<int> Dunked()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var id = (int)(await _h.Post("/api/brew/batches", Planned("root", 20, making: "extract")))["id"]!;
        _h.Clock.SetUtcNow((await _h.Get($"/api/brew/batches/{id}"))["plannedStart"]!.GetValue<DateTimeOffset>());
        await _h.Post($"/api/brew/batches/{id}/start", new { strip = "0" });
        return id;
    }

    private static JsonNode Step(JsonNode batch, string id) => batch["steps"]!.AsArray().Single(s => (string)s!["id"]! == id)!;

    [Fact]
    public async Task A_step_ticked_late_keeps_when_it_was_planned_done_and_written_down()
    {
        var id = await Dunked();
        var planned = Step(await _h.Get($"/api/brew/batches/{id}"), "check")["at"]!.GetValue<DateTimeOffset>();
        _h.Clock.Advance(TimeSpan.FromHours(2));
        await _h.Post($"/api/brew/batches/{id}/steps/check", new { at = _h.Now.AddMinutes(-50) });
        var step = Step(await _h.Get($"/api/brew/batches/{id}"), "check");
        step["at"]!.GetValue<DateTimeOffset>().ShouldBe(planned);
        step["doneAt"]!.GetValue<DateTimeOffset>().ShouldBe(_h.Now.AddMinutes(-50), TimeSpan.FromSeconds(1));
        step["writtenAt"]!.GetValue<DateTimeOffset>().ShouldBe(_h.Now, TimeSpan.FromSeconds(1));
        await _h.Post($"/api/brew/batches/{id}/steps/sprayer", new { });
        // done and written at once: one time says both
        Step(await _h.Get($"/api/brew/batches/{id}"), "sprayer")["writtenAt"].ShouldBeNull();
    }

    [Fact]
    public async Task A_dunked_extract_has_no_air_to_stop_and_none_to_change()
    {
        var id = await Dunked();
        (await _h.Refused($"/api/brew/batches/{id}/log", new { kind = "airTo", value = "6 L/min" }))["kind"].ShouldContain("made without");
        (await _h.Refused($"/api/brew/batches/{id}/air-off", new { }))["state"].ShouldContain("no air to stop");
        var batch = await _h.Get($"/api/brew/batches/{id}");
        batch["watch"]!["value"]!["after"].ShouldBeNull();
        batch["watch"]!["value"]!["now"].ShouldBeNull();
        ((string)batch["watch"]!["value"]!["verdict"]!["sentence"]!).ShouldContain("made just now");
        batch["steps"]!.AsArray().Select(s => (string)s!["id"]!).ShouldNotContain("air-off");
    }

    [Fact]
    public async Task Two_sources_are_planned_kept_named_in_the_step_and_shown_on_the_page()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var one = (await _h.Post("/api/brew/plan", Planned()))["value"]!;
        var offered = one["addableSources"]!.AsArray().Select(s => (string)s!["kind"]!).ToList();
        offered.ShouldContain("compost");
        var plan = Planned(more: new[] { new { kind = "compost", litres = 0.5 } });
        var two = (await _h.Post("/api/brew/plan", plan))["value"]!;
        ((string)two["moreSources"]![0]!["shown"]!).ShouldBe("500 mL");
        two["addableSources"]!.AsArray().Select(s => (string)s!["kind"]!).ShouldNotContain("compost");
        var id = (int)(await _h.Post("/api/brew/batches", plan))["id"]!;
        var batch = await _h.Get($"/api/brew/batches/{id}");
        ((string)batch["source"]!["kind"]!).ShouldBe((string)one["source"]!["kind"]!);
        ((string)batch["moreSources"]![0]!["kind"]!).ShouldBe("compost");
        ((string)Step(batch, "source")["detail"]!).ShouldContain("and 500 mL of compost");
        // Of the compost nobody knows a lot: it is taken for manure, so the wait stands.
        ((string)two["waits"]![0]!).ShouldContain("days");
        (await _h.Refused("/api/brew/plan", Planned(more: new[] { new { kind = "compost", litres = -1.0 } }))).ShouldNotBeEmpty();
        (await _h.Refused("/api/brew/plan", Planned(more: new[] { new { kind = "gravel", litres = 1.0 } }))).ShouldNotBeEmpty();
    }

    [Theory]
    [InlineData("2 kg", "compost", true)]
    [InlineData("500 g", "castings", true)]
    [InlineData("2 kg", null, false)]
    [InlineData("3 L", "compost", true)]
    public async Task A_source_may_be_typed_by_weight_and_nothing_else(string typed, string? source, bool read)
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var (status, reply) = await _h.Send("/api/amounts/read", new { text = typed, dimension = "volume", ofSource = source }, null);
        (status == 200).ShouldBe(read, reply.ToJsonString());
        if (read)
        {
            var kg = Core.Brewing.Ingredients.Source(source)!.KgPerLitre;
            ((double)reply["value"]!["si"]!).ShouldBe(typed switch { "2 kg" => 2 / kg, "500 g" => 0.5 / kg, _ => 3 }, 1e-9);
        }
    }

    [Fact]
    public async Task The_hold_that_is_chosen_changes_the_race_at_once()
    {
        var id = await _h.Started();
        async Task<string> Grace() => (string)(await _h.Get($"/api/brew/batches/{id}"))["race"]!["graceShown"]!;
        var house = await Grace();
        await _h.Post("/api/holding/forks/hold", new { school = "day" });
        (await Grace()).ShouldBe("8 h");
        await _h.Post("/api/holding/forks/hold", new { school = "hour" });
        (await Grace()).ShouldBe("1 h");
        await _h.Post("/api/holding/forks/hold", new { school = "oxygen" });
        (await Grace()).ShouldBe(house);
    }

    [Fact]
    public async Task Weather_that_spoils_the_hour_is_said_by_plan_page_and_windows_alike()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var plan = Planned(hoursOn: 48); // 06:00 in June: low sun, light enough
        var id = (int)(await _h.Post("/api/brew/batches", plan))["id"]!;
        var csv = "time,°C,wind m/s,rain mm\n"
            + string.Concat(Enumerable.Range(40, 24).Select(h => $"{_h.Now.AddHours(h):yyyy-MM-ddTHH:mm:ssZ},16,9,0\n"));
        await _h.Post("/api/weather/file", new { csv });
        var spoilt = (string)(await _h.Post("/api/brew/plan", plan))["value"]!["race"]!["verdict"]!["sentence"]!;
        spoilt.ShouldBe("Not at that hour: wind 9 m/s: it drifts.");
        ((string)(await _h.Get($"/api/brew/batches/{id}"))["race"]!["verdict"]!["sentence"]!).ShouldBe(spoilt);
        ((string)(await _h.Get("/api/put-out/windows/brews?purpose=leaf"))[0]!["race"]!["verdict"]!["sentence"]!).ShouldBe(spoilt);
        ((string)(await _h.Post("/api/brew/plan", plan))["value"]!["plan"]!["verdict"]!["tone"]!).ShouldNotBe("go");
        (await _h.Get("/api/put-out/windows/brews?purpose=root")).AsArray().ShouldBeEmpty();
    }

    [Fact]
    public async Task A_change_of_units_is_on_the_live_page_at_once()
    {
        var id = await _h.Started();
        (await _h.Get($"/api/brew/batches/{id}"))["race"].ShouldNotBeNull();
        await _h.Post("/api/weather/file",
            new {
                csv = "time,°C,wind m/s,rain mm\n"
                + string.Concat(Enumerable.Range(0, 80).Select(h => $"{_h.Now.AddHours(h):yyyy-MM-ddTHH:mm:ssZ},16,9,0\n"))
            });
        async Task<string> Says() => (string)(await _h.Get($"/api/brew/batches/{id}"))["race"]!["verdict"]!["sentence"]!;
        (await Says()).ShouldContain("9 m/s");
        await _h.Post("/api/holding/units", new { units = "usCustomary" });
        (await Says()).ShouldContain("20 mph");
    }

    [Fact]
    public async Task What_a_probe_has_read_meanwhile_is_in_the_reading_of_now()
    {
        var id = await _h.Started();
        _h.Clock.Advance(TimeSpan.FromHours(5));
        async Task<double> Now() => (double)(await _h.Get($"/api/brew/batches/{id}"))["watch"]!["value"]!["now"]!["mgPerL"]!;
        var before = await Now();
        using (var scope = _h.Services.CreateScope())
        {
            var db = scope.ServiceProvider.GetRequiredService<Records.HoldingDb>();
            var link = new Records.Brewing.ProbeLink {
                BatchId = id, Name = "pen", Host = "127.0.0.1", Port = 1,
                AttachedAt = _h.Now.AddHours(-5)
            };
            db.Add(link);
            await db.SaveChangesAsync();
            db.ProbeReadings.AddRange(Enumerable.Range(0, 150)
                .Select(i => new Records.Brewing.ProbeReadingKept {
                    ProbeLinkId = link.Id, Sequence = i,
                    At = _h.Now.AddMinutes(-300 + (2 * i)), MgPerL = before - (0.006 * i), TemperatureC = 18
                }));
            await db.SaveChangesAsync();
        }

        (await Now()).ShouldBe(before - 0.8, 0.4); // at once, and not when some minutes have gone by
    }

    [Fact]
    public async Task What_is_asked_of_a_brew_after_its_air_is_what_its_own_page_says()
    {
        var id = await _h.Started();
        _h.Clock.Advance(TimeSpan.FromHours(6));
        await _h.Post($"/api/brew/batches/{id}/log", new { kind = "oxygen", value = "7.9" });
        _h.Clock.Advance(TimeSpan.FromHours(1));
        var page = (await _h.Get($"/api/brew/batches/{id}"))["watch"]!["value"]!["after"]!;
        var asked = (await _h.Post("/api/brew/after-air", new { batchId = id }))["value"]!;
        ((string)asked["sentence"]!).ShouldBe((string)page["sentence"]!);
        ((double)asked["minutesTo6"]!).ShouldBe((double)page["minutesTo6"]!, 0.5);
    }

    [Fact]
    public async Task What_is_asked_of_a_plan_after_its_air_is_what_its_own_race_has()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var plan = Planned(hoursOn: 48);
        async Task<(string Race, JsonNode Asked)> Both() =>
            ((string)(await _h.Post("/api/brew/plan", plan))["value"]!["race"]!["graceShown"]!,
                (await _h.Post("/api/brew/after-air", new { plan }))["value"]!);
        var (race, asked) = await Both();
        race.ShouldBe(Core.Workings.Say.Minutes((double)asked["minutesTo6"]!));
        await _h.Post("/api/holding/forks/hold", new { school = "hour" });
        (race, asked) = await Both();
        race.ShouldBe("1 h");
        asked.ToJsonString().ShouldContain("hour");
    }

    [Fact]
    public async Task A_bed_asks_for_what_the_plan_would_brew_for_it()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        async Task<string> Asks() => (string)(await _h.Get("/api/ground"))["beds"]![0]!["says"]!;
        async Task<string> Wants() =>
            (string)(await _h.Post("/api/brew/plan", Planned("root", 30, making: "extract")))["value"]!["wantedShown"]!;
        (await Asks()).ShouldContain($"{await Wants()} of extract");
        await _h.Alive(1, 12);
        var said = await Asks();
        said.ShouldContain("less for ground that its checks call");
        said.ShouldContain($"{await Wants()} of extract");
    }

    [Fact]
    public async Task A_brew_that_is_not_there_to_put_out_is_the_only_thing_wrong()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var id = (int)(await _h.Post("/api/brew/batches", Planned()))["id"]!;
        var refused = await _h.Refused("/api/put-out/tank/work-out",
            new { batchId = id, brew = "7 L", dilution = "1:5", bedIds = new[] { 1 }, tank = "15 L", tool = "can" });
        refused.Keys.ShouldBe(["batch"]);
    }

    [Fact]
    public async Task A_tank_by_the_plant_speaks_of_plants_and_costs_say_what_they_do_not_know()
    {
        var id = await Dunked();
        var tank = (await _h.Post("/api/put-out/tank/work-out", new {
            batchId = id,
            brew = "5 L",
            dilution = "1:1",
            purpose = "root",
            bedIds = new[] { 1 },
            perPlant = "0.5 L",
            plants = new Dictionary<string, string> { ["1"] = "12" },
            tank = "10 L",
            tool = "can",
            spare = "0",
            foodWaiting = "mulch",
        }))["value"]!;
        ((string)tank["shares"]![0]!["deepShown"]!).ShouldBe("500 mL a plant");
        ((string)tank["howToCover"]!).ShouldContain("stem");
        ((string)tank["mixShown"]!).ShouldBe("6 L");
        ((string)tank["cost"]!["says"]!).ShouldContain("not known");
        ((string)tank["gateSays"]!["sentence"]!).ShouldBe(
            (string)(await _h.Get($"/api/brew/batches/{id}"))["watch"]!["value"]!["verdict"]!["sentence"]!);
    }

    [Fact]
    public async Task In_us_customary_no_line_of_ground_plan_tank_or_windows_is_metric()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        await _h.Post("/api/holding/units", new { units = "usCustomary" });
        await _h.Post("/api/weather/file",
            new {
                csv = "time,°C,wind m/s,rain mm\n"
                + string.Concat(Enumerable.Range(0, 60)
                    .Select(h => $"{_h.Now.AddHours(h):yyyy-MM-ddTHH:mm:ssZ},{5 + (h % 26)},{h % 7},{h % 3}\n"))
            });
        var id = (int)(await _h.Post("/api/brew/batches", Planned("root", 20, making: "extract")))["id"]!;
        _h.Clock.SetUtcNow((await _h.Get($"/api/brew/batches/{id}"))["plannedStart"]!.GetValue<DateTimeOffset>());
        await _h.Post($"/api/brew/batches/{id}/start", new { strip = "0" });
        await _h.Post("/api/shelf/inputs", new {
            name = "fish", kind = "fishHydrolysate", price = "35.58", labelBasis = "perHa",
            species = Array.Empty<object>()
        });
        var bench = await _h.Get("/api/brew/air/1");
        JsonNode[] pages =
        [
            await _h.Get("/api/ground"),
            (await _h.Post("/api/brew/plan", Planned()))["value"]!,
            (await _h.Get("/api/put-out/windows?purpose=leaf"))["value"]!,
            (await _h.Get("/api/put-out/windows?purpose=root"))["value"]!,
            (await _h.Post("/api/put-out/tank/work-out", new { batchId = id, brew = "1 gal", dilution = "1:1", purpose = "root",
                bedIds = new[] { 1 }, tank = "2 gal", tool = "can" }))["value"]!,
            bench,
            (await _h.Post("/api/brew/air/work-out", bench["bench"]!.ToJsonString()))["value"]!,
            (await _h.Post("/api/brew/schools", new { plan = Planned() }))["value"]!,
            (await _h.Post("/api/brew/what-if",
                new { plan = Planned(),
                    whatIfs = new[] { new { kind = "cooler", amount = "9" }, new { kind = "moreFood", amount = "1" } } }))["value"]!,
            .. (await _h.Get("/api/brew/recipes")).AsArray().Select(r => r!["parts"]!),
            await _h.Get("/api/shelf"),
            (await _h.Post("/api/put-out/dried-or-liquid/work-out", new { liquidPerHa = "0.2", times = "4", liquidPrice = "35",
                driedPerHa = "130", driedPrice = "0.8", wet = true }))["value"]!,
        ];
        var metric = new System.Text.RegularExpressions.Regex(@"\d\s?(L|mL|L/min|m²|ha|mm|cm|m/s|°C|kPa)(?![\w/])|100 m²|hectare",
            System.Text.RegularExpressions.RegexOptions.None, System.Text.RegularExpressions.Regex.InfiniteMatchTimeout);
        foreach (var (path, text) in pages.SelectMany(p => Strings(p, ""))
            .Where(x => !x.Path.Contains("typed", StringComparison.OrdinalIgnoreCase)))
        {
            metric.IsMatch(text.Replace("mg/L", "", StringComparison.Ordinal)).ShouldBeFalse($"{path}: {text}");
        }
    }

    private static IEnumerable<(string Path, string Text)> Strings(JsonNode? node, string path) => node switch {
        JsonObject o => o.Where(p => p.Key is not ("working" or "dilution")).SelectMany(p => Strings(p.Value, $"{path}.{p.Key}")),
        JsonArray a => a.SelectMany((x, i) => Strings(x, $"{path}[{i}]")),
        JsonValue v when v.TryGetValue<string>(out var s) => [(path, s)],
        _ => [],
    };

    [Theory]
    [InlineData("seen", "see 0.2")]
    [InlineData("twice", "see 0.4")]
    [InlineData("works", "call 0.4")]
    public async Task The_number_of_plots_is_for_what_the_grower_chose(string sureFor, string does)
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        object[] treatments = [new { name = "nothing", levels = new[] { "nothing" }, role = "control" },
            new { name = "tea", levels = new[] { "tea" }, role = "treatment" }];
        var curve = (await _h.Post("/api/judge/trials/curve", new {
            sureFor, design = "blocks", replicates = 4, noise = "0.2",
            worthHaving = "0.2", factors = new[] { "treatment" }, treatments, measures = new[] { new { kindId = "yieldM2" } }
        }))["value"]!;
        ((string)curve["sentence"]!).ShouldContain($"would {does}");
        ((int)curve["needed"]!).ShouldBe((int)curve[sureFor switch {
            "twice" => "neededTwice",
            "works" => "neededWorks",
            _ =>
            "neededSeen"
        }]!);
        ((int)curve["neededTwice"]!).ShouldBeLessThan((int)curve["neededSeen"]!);
        (await _h.Refused("/api/judge/trials/curve", new {
            sureFor = "luck", design = "blocks", replicates = 4, noise = "0.2",
            worthHaving = "0.2", factors = new[] { "treatment" }, treatments
        })).ShouldNotBeEmpty();
    }

    private async Task<JsonNode> Brought(string csv, string design, string[] factors, string? block)
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var id = (int)(await _h.Post("/api/judge/trials/csv", new {
            csv, question = "Does it lift it?", crop = "oats", design, factors,
            responses = new[] { "kg" }, block, byLot = true
        }))["id"]!;
        return await _h.Get($"/api/judge/trials/{id}");
    }

    [Fact]
    public async Task A_trial_brought_from_a_file_has_one_spelling_of_each_treatment_and_says_how_many_plots_each_has()
    {
        var trial = await Brought(
            "treatment,kg\nWater,5.0\nwater,5.2\nwater ,5.1\ntea,5.6\ntea,5.4\ntea,5.9\ntea,5.7\nextract,5.3\nextract,5.5", "random",
            ["treatment"], null);
        trial["treatments"]!.AsArray().Select(t => (string)t!["name"]!).ShouldBe(["Water", "tea", "extract"]);
        ((string)trial["eachSays"]!).ShouldBe("2 to 4 of each");
        trial["strength"]!.AsArray().ShouldContain(s => ((string)s!["text"]!).Contains("2 plots of each", StringComparison.Ordinal));
        trial["places"]!.AsArray().ShouldBeEmpty(); // how it lay is not made up
    }

    [Fact]
    public async Task A_crossed_trial_brought_from_a_file_knows_its_untreated_plots()
    {
        var rows = from b in Enumerable.Range(1, 4)
                   from crop in new[] { "beet", "dahlia" }
                   from char_ in new[] { "no char",
            "char" }
                   select FormattableString.Invariant(
                $"{b},{char_},{crop},{(crop == "dahlia" ? 40 : 24) + (char_ == "char" ? 6 : 0) + (((b * 7) + crop.Length) % 5 * 0.3):0.0}");
        var trial = await Brought("block,amendment,crop,kg\n" + string.Join('\n', rows), "factorial", ["amendment", "crop"], "block");
        trial["treatments"]!.AsArray().Where(t => (string)t!["role"]! == "control").Select(t => (string)t!["name"]!)
            .ShouldBe(["no char, beet", "no char, dahlia"]);
        trial["strength"]!.AsArray().ShouldNotContain(s => ((string)s!["text"]!).Contains("no untreated", StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_notice_that_no_longer_holds_is_taken_back_and_can_be_given_again()
    {
        var id = await _h.Started();
        _h.Clock.Advance(TimeSpan.FromHours(9));
        await _h.Look();
        (await Titles()).ShouldContain(t => t.Contains("No oxygen reading", StringComparison.Ordinal));
        var entry = (int)(await _h.Post($"/api/brew/batches/{id}/log", new { kind = "oxygen", value = "3.1" }))["id"]!;
        await _h.Look();
        (await Titles()).ShouldHaveSingleItem().ShouldContain("below 6");
        await _h.Post($"/api/brew/batches/{id}/log/{entry}/correct", new { kind = "oxygen", value = "8.1" });
        await _h.Look();
        (await Titles()).ShouldNotContain(t => t.Contains("has read", StringComparison.Ordinal));
        await _h.Post($"/api/brew/batches/{id}/log", new { kind = "oxygen", value = "3.3" });
        await _h.Look();
        (await Titles()).ShouldHaveSingleItem().ShouldContain("has read 3.3");

        async Task<List<string>> Titles() => [.. (await _h.Get("/api/watch"))["notices"]!.AsArray().Select(n => (string)n!["title"]!)];
    }

    [Fact]
    public async Task A_brew_planned_in_litres_is_read_in_gallons_once_the_holding_speaks_them()
    {
        var id = await _h.Started();
        await _h.Post("/api/holding/units", new { units = "usCustomary" });
        var steps = (await _h.Get($"/api/brew/batches/{id}"))["steps"]!.AsArray().Select(s => (string)s!["detail"]!).ToList();
        steps.ShouldContain(s => s.Contains(" gal of water", StringComparison.Ordinal));
        steps.ShouldNotContain(s => s.Contains(" L of water", StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_plan_begins_at_an_hour_that_is_neither_dark_nor_over_at_once()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var at = (await _h.Get("/api/brew/plan/hour?purpose=leaf"))["at"]!.GetValue<DateTimeOffset>();
        (at - _h.Now).TotalHours.ShouldBeInRange(48, 110);
        var hours = (await _h.Get("/api/put-out/windows?purpose=leaf&hours=96"))["value"]!["windows"]!.AsArray();
        hours.ShouldContain(w => w!["from"]!.GetValue<DateTimeOffset>() <= at && w["to"]!.GetValue<DateTimeOffset>() >= at.AddHours(1));
    }
}
