using Microsoft.Extensions.DependencyInjection;
using MudPie.Core.Brewing;
using MudPie.Core.Judging.Trials;
using MudPie.Core.Measures;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Records.Judging;
using MudPie.Server.Brewing;

namespace MudPie.Server.Tests;

/// <summary>Each would have caught a slip that once went through all the other tests unseen.</summary>
public sealed class BittenTests : IDisposable
{
    private readonly TestHolding _h = new();

    public void Dispose() => _h.Dispose();

    private HoldingDb Db(out IServiceScope scope)
    {
        scope = _h.Services.CreateScope();
        return scope.ServiceProvider.GetRequiredService<HoldingDb>();
    }

    private async Task<string[]> Cautions(object job) =>
        [.. (await _h.Post("/api/put-out/tank/work-out", job))["cautions"]!.AsArray().Select(c => (string)c!["id"]!)];

    [Fact]
    public async Task A_failed_brew_does_not_go_out_for_a_reason_of_a_letter()
    {
        var id = await _h.Started();
        _h.Clock.Advance(TimeSpan.FromHours(6));
        await _h.Post($"/api/brew/batches/{id}/log", new { kind = "oxygen", value = "4.1" });
        object Job(string? why, string[] seen) => new {
            batchId = id, purpose = "root", dilution = "neat", bedIds = new[] { 1 },
            brew = "5 L", tool = "can", tank = "10 L", overrideWhy = why, cautionsSeen = seen
        };
        var seen = await Cautions(Job(null, []));
        foreach (var why in new[] { "x", "     ", "123456789", "  ok  ok   " })
        {
            (await _h.Refused("/api/put-out/tank", Job(why, seen))).Keys.ShouldContain("overrideWhy", why);
        }

        ((string)(await _h.Get($"/api/brew/batches/{id}"))["state"]!).ShouldBe("brewing");
    }

    [Fact]
    public async Task Putting_a_job_right_does_not_end_its_batch_a_second_time()
    {
        var id = await _h.Started();
        _h.Clock.Advance(TimeSpan.FromHours(20));
        await _h.Post($"/api/brew/batches/{id}/log", new { kind = "oxygen", value = "7.4" });
        object Job(string[] seen, string dilution, int? corrects = null) =>
            new {
                batchId = id, purpose = "leaf", dilution, bedIds = new[] { 1 }, brew = "5 L", tool = "can", tank = "10 L",
                cautionsSeen = seen, correctsId = corrects, correctionWhy = corrects is null ? null : "one to five, not one to four"
            };
        var job = (int)(await _h.Post("/api/put-out/tank", Job(await Cautions(Job([], "1:4")), "1:4")))["id"]!;
        var before = await _h.Get($"/api/brew/batches/{id}");
        _h.Clock.Advance(TimeSpan.FromHours(3));
        await _h.Post("/api/put-out/tank", Job(await Cautions(Job([], "1:5", job)), "1:5", job));
        var after = await _h.Get($"/api/brew/batches/{id}");
        after["log"]!.AsArray().Count(l => (string?)l!["text"] == "use").ShouldBe(1);
        after["log"]!.ToJsonString().ShouldBe(before["log"]!.ToJsonString());
        ((string)after["airOffAt"]!).ShouldBe((string)before["airOffAt"]!);
        ((string)after["state"]!).ShouldBe("used");
    }

    [Fact]
    public async Task River_water_is_brewed_with_only_after_a_clean_test_of_the_last_sixty_days()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        var river = (int)(await _h.Post("/api/ground/waters", new { name = "the creek", kind = "surface" }))["id"]!;
        object Plan() => new { bedIds = new[] { 1 }, purpose = "leaf", useAt = _h.Now.AddHours(48), warmthC = 18, waterSourceId = river };
        (await _h.Refused("/api/brew/batches", Plan()))["waterSourceId"].ShouldContain("never tested");
        await _h.Post($"/api/brew/water/{river}/tests", new { eColi = "3", by = "the valley lab", at = _h.Now.AddDays(-2) });
        (await _h.Refused("/api/brew/plan", Plan()))["waterSourceId"].ShouldContain("3 E. coli");
        await _h.Post($"/api/brew/water/{river}/tests", new { eColi = "0", by = "the valley lab", at = _h.Now.AddDays(-1) });
        await _h.Post("/api/brew/batches", Plan());
        _h.Clock.Advance(TimeSpan.FromDays(61));
        (await _h.Refused("/api/brew/batches", Plan()))["waterSourceId"].ShouldContain("older than 60 days");
    }

    [Fact]
    public async Task A_probe_that_reads_high_is_taken_down_by_what_it_reads_above_the_hand()
    {
        var id = await _h.Started();
        var started = _h.Now;
        _h.Clock.Advance(TimeSpan.FromHours(4));
        await _h.Post($"/api/brew/batches/{id}/log", new { kind = "oxygen", value = "7.0" });
        var db = Db(out var scope);
        using (scope)
        {
            var link = new ProbeLink { BatchId = id, Name = "barrel-probe", Host = "127.0.0.1", Port = 9, AttachedAt = started };
            db.Add(link);
            await db.SaveChangesAsync();
            db.AddRange(Enumerable.Range(0, 121)
                .Select(i => new ProbeReadingKept {
                    ProbeLinkId = link.Id, Sequence = i, At = started.AddMinutes(i * 2), MgPerL = 8.0,
                    TemperatureC = 18
                }));
            await db.SaveChangesAsync();
            var live = scope.ServiceProvider.GetRequiredService<LiveBrew>();
            var (hours, state) = await live.Probe((await live.Load(id))!, started, _h.Now);
            state!.Drift!.Value.ShouldBe(1, 1e-9); // 8.0 where the hand read 7.0
            hours.Count.ShouldBe(4);
            hours.ShouldAllBe(p => Math.Abs(p.MgPerL - 7.0) < 1e-9);
        }
    }

    [Fact]
    public void A_time_that_has_not_come_or_that_nobody_remembers_is_refused()
    {
        var now = _h.Now;
        (bool Sound, string Says) Past(DateTimeOffset? at)
        {
            var fields = new TypedFields(UnitSystem.Metric);
            fields.Past("at", at, now);
            return (fields.Checks.Sound, fields.Checks.Sound ? "" : fields.Checks.Refusal.Problems.Single().Wrong);
        }

        Past(null).Sound.ShouldBeTrue();
        Past(now.AddMinutes(4)).Sound.ShouldBeTrue("clocks differ");
        Past(now.AddMinutes(6)).ShouldBe((false, "That time has not come yet."));
        Past(now.AddYears(-1)).Sound.ShouldBeTrue();
        Past(now.AddYears(-2).AddDays(-1)).ShouldBe((false, "That is more than two years ago."));
    }

    [Fact]
    public void Days_until_half_are_up_are_better_the_fewer_whatever_the_measure_is_called()
    {
        var treatments = new[] { ("nothing", TrialRole.Control), ("castings", TrialRole.Treatment) }.Select((t, i) =>
            new TrialTreatment { Id = i + 1, Order = i, Name = t.Item1, Levels = [new("treatment", t.Item1)], Role = t.Item2 }).ToList();
        var measure = new TrialMeasure {
            Id = 1, Name = "came up", Unit = "seeds", Kind = Scale.Count, OutOf = 50, Dates = DatesTo.Half,
            LowerIsBetter = false
        };
        var trial = new Trial {
            Question = "Do castings bring seedlings up sooner?", Crop = "fennel", Design = Design.Random,
            Kind = TrialKind.Pots, Factors = ["treatment"], Places = [], Measures = { measure }
        };
        trial.Treatments.AddRange(treatments);
        var day = new DateTimeOffset(2026, 4, 1, 0, 0, 0, TimeSpan.Zero);
        var all = new List<TrialReading>();
        for (var p = 1; p <= 6; p++)
        {
            var t = treatments[p % 2];
            var plot = new TrialPlot { Id = p, Number = p, Code = $"{p}", Treatment = t, TreatmentId = t.Id, Place = "bench" };
            trial.Plots.Add(plot);
            double[] up = t.Order == 1 ? [0, 24 + p, 50, 50] : [0, 4 + p, 26, 50]; // castings: half are up four days before
            all.AddRange(up.Select((v, i) => new TrialReading {
                Id = (p * 10) + i, PlotId = p, MeasureId = 1, On = day.AddDays(i * 4),
                Value = v, OutOf = 50
            }));
        }

        var question = TrialAsking.Of(trial.Laid(), measure.Laid(), [.. all.Select(r => r.Dated())]);
        (question.LowerIsBetter, question.Kind).ShouldBe((true, Scale.Amount));
        var told = TrialAnalysis.Of(question with { WorthHaving = 1 }).Value;
        told.Verdicts.Single().Difference.ShouldBeLessThan(-2);
        told.Verdict.ShouldBe(Finding.Works);
        TrialAsking.Of(trial.Laid(), new LaidMeasure(1, 0, "height", "cm", Scale.Amount, false, null, DatesTo.Last), []).LowerIsBetter
            .ShouldBeFalse();
    }

    [Fact]
    public async Task A_vessel_that_was_clean_before_its_last_brew_is_not_clean_after_it()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        foreach (var (step, _, _) in CleanUp.Steps)
        {
            await _h.Post("/api/brew/vessels/1/clean", new { step });
        }

        var id = (int)(await _h.Post("/api/brew/batches", _h.Plan()))["id"]!;
        _h.Clock.SetUtcNow((await _h.Get($"/api/brew/batches/{id}"))["plannedStart"]!.GetValue<DateTimeOffset>());
        await _h.Post($"/api/brew/batches/{id}/start", new { strip = "0" });
        _h.Clock.Advance(TimeSpan.FromHours(2));
        await _h.Post($"/api/brew/batches/{id}/heap", new { why = "the pump stood still" });
        var vessel = (await _h.Get("/api/brew/cleaning"))[0]!;
        ((bool)vessel["clean"]!).ShouldBeFalse();
        ((string)vessel["says"]!).ShouldStartWith("Not logged clean since its last brew");
        vessel["steps"]!.AsArray().ShouldAllBe(s => s!["doneAt"] == null);
    }

    [Fact]
    public async Task A_noted_use_meets_the_same_mixing_rules_as_the_tank()
    {
        await _h.Post("/api/holding/setup", TestHolding.SetUp);
        foreach (var (name, kind) in new[] { ("copper", "copperSpray"), ("soil bacteria", "livingInoculant") })
        {
            await _h.Post("/api/shelf/inputs", new { name, kind });
        }

        var seen = new[] { "spraying", "run-off" };
        await _h.Post("/api/notes", new { text = "sprayed 20 g copper on ridge bed 4", cautionsSeen = seen });
        // said before it is refused
        (await _h.Post("/api/notes/read", new { text = "used 20 ml soil bacteria on ridge bed 4" }))["minds"]!.ToJsonString()
            .ShouldContain("Wait 10 days: Ridge Bed 4 got copper");
        (await _h.Refused("/api/notes", new {
            text = "used 20 ml soil bacteria on ridge bed 4",
            cautionsSeen = seen
        }))["text"].ShouldStartWith("Wait 10 days: Ridge Bed 4 got copper");
        _h.Clock.Advance(TimeSpan.FromDays(11));
        await _h.Post("/api/notes", new { text = "used 20 ml soil bacteria on ridge bed 4", cautionsSeen = seen });
        var entries = (await _h.Get("/api/book"))["entries"]!.AsArray();
        entries.Select(e => (string)e!["title"]!).ShouldBe(["soil bacteria on roots", "copper on leaves"]);
    }
}
