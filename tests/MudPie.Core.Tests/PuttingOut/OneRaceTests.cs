using System.Text.Json;
using FsCheck.Xunit;
using MudPie.Core.Brewing;
using MudPie.Core.PuttingOut;

namespace MudPie.Core.Tests.PuttingOut;

/// <summary>From the last minute in the air to the last drop on the last bed.</summary>
public sealed class OneRaceTests
{
    private static readonly JsonSerializerOptions Web = new(JsonSerializerDefaults.Web);

    [Fact]
    public void The_races_of_the_reference_are_run_to_the_last_digit()
    {
        using var json = JsonDocument.Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Reference", "mixing-cases.json")));
        var cases = json.RootElement.EnumerateArray().Where(c => c.GetProperty("calculator").GetString() == "put-out-race").ToList();
        cases.Count.ShouldBe(2);
        foreach (var c in cases)
        {
            var q = c.GetProperty("case").Deserialize<RaceQuestion>(Web)!;
            var (answer, expect) = (PutOutRace.Of(q).Value, c.GetProperty("expect"));
            answer.DoneAtMin.ShouldBe(expect.GetProperty("doneAtMin").GetDouble(), 1e-9);
            foreach (var (l, e) in answer.Loads.Zip(expect.GetProperty("loads").EnumerateArray()))
            {
                l.DrawFromMin.ShouldBe(e.GetProperty("drawFromMin").GetDouble(), 1e-9);
                l.AirLostAtMin.ShouldBe(e.GetProperty("airLostAtMin").GetDouble(), 1e-9);
                l.OutByMin.ShouldBe(e.GetProperty("outByMin").GetDouble(), 1e-9);
                l.MinutesWithoutAir.ShouldBe(e.GetProperty("minutesWithoutAir").GetDouble(), 1e-9);
                l.WithinGrace.ShouldBe(e.GetProperty("withinGrace").GetBoolean());
            }
        }
    }

    private static readonly RaceFacts Cone = new() {
        BrewL = 765, MixL = 765 * 6,
        Kit = new RaceKit { Name = "boom", Kind = "boom", TankL = 400 }, GraceMinutes = 44
    };

    [Fact]
    public void Air_that_stays_on_until_the_last_draw_wins_where_air_off_at_the_first_loses()
    {
        PutOutRace.For(Cone).Value.Won.ShouldBeTrue();
        var off = PutOutRace.For(Cone with { AirOffAtMin = 0 }).Value;
        off.Won.ShouldBeFalse();
        off.Verdict.Tone.ShouldBe(Tone.Stop);
        off.Verdict.Sentence.ShouldStartWith("Filling 2 would be flat by");
        off.Saves[0].ShouldBe("Leave the air on in the vessel until the last draw.");
    }

    [Fact]
    public void Everything_that_is_said_to_save_it_saves_it()
    {
        var slow = Cone with {
            Kit = Cone.Kit with { Kind = "knapsack", TankL = 15, FlowLpm = 0.25 },
            BrewL = 20,
            MixL = 120,
            GraceMinutes = 40
        };
        var lost = PutOutRace.For(slow).Value;
        lost.Won.ShouldBeFalse();
        lost.Saves.ShouldContain(s => s.Contains("% full"));
        PutOutRace.For(slow with { Kit = slow.Kit with { TankL = 15 * 0.5 } }).Value.Won.ShouldBeTrue();
        PutOutRace.For(slow with { Kit = slow.Kit with { BatteryOnCart = true }, BatteryGraceMinutes = 300 }).Value.Won.ShouldBeTrue();
    }

    [Fact]
    public void A_dunked_extract_counts_from_when_it_was_made_and_dark_is_said()
    {
        PutOutRace.For(Cone with { Dunked = true, GraceMinutes = 60 }).Value.Won.ShouldBeFalse();
        PutOutRace.For(Cone with { Window = new(30, "dark: you can't see what is covered") }).Value.Verdict.Sentence
            .ShouldStartWith("It would be dark");
    }

    [Fact]
    public void The_race_knows_the_window_that_it_runs_in()
    {
        var done = PutOutRace.For(Cone).Value.Times.DoneAtMin;
        var closes = PutOutRace.For(Cone with { Window = new(done - 20, "wind 6 m/s: it drifts") }).Value.Verdict;
        (closes.Tone,
            closes.Sentence).ShouldBe((Tone.Mind, "The window closes 20 min before the last drop is out: wind 6 m/s: it drifts."));
        PutOutRace.For(Cone with { Window = new(0, "rain, 2 mm in the hour") }).Value.Verdict.Sentence
            .ShouldBe("Not at that hour: rain, 2 mm in the hour.");
        PutOutRace.For(Cone with { Window = new(done + 1, "rain, 2 mm in the hour") }).Value.Verdict.Tone.ShouldBe(Tone.Go);
        PutOutRace.For(Cone with { GraceMinutes = 1, Window = new(0, "rain, 2 mm in the hour") }).Value.Verdict.Tone.ShouldBe(Tone.Stop);
    }

    [Fact]
    public void What_is_left_of_a_window_ends_with_dusk_or_with_the_weather_whichever_is_first()
    {
        // 47.5° N, 8.5° E on 10 June: civil dusk is about 19:59 UTC.
        var seven = new DateTimeOffset(2026, 6, 10, 19, 0, 0, TimeSpan.Zero);
        var dusk = SprayWindows.Left(true, seven, 47.5, 8.5, []).ShouldNotBeNull();
        dusk.Min.ShouldBeInRange(50, 70);
        dusk.Why.ShouldStartWith("dark");
        SprayWindows.Left(true, seven.AddHours(-7), 47.5, 8.5, []).ShouldNotBeNull().ShouldSatisfyAllConditions(w => w.Min.ShouldBe(0),
            w => w.Why.ShouldStartWith("sun at"));
        var windy = new Core.Almanac.WeatherHour(seven, 16, 6, 0, 0.2, 0.6);
        SprayWindows.Left(true, seven, 47.5, 8.5, [windy]).ShouldNotBeNull().Why.ShouldStartWith("wind 6");
        SprayWindows.Left(false, seven, 47.5, 8.5, [windy]).ShouldNotBeNull().Min.ShouldBe(dusk.Min);
        SprayWindows.Left(false, seven, 78, 15, []).ShouldBeNull(); // the sun does not set there in June
    }

    [Property(MaxTest = 100)]
    public void More_grace_never_loses_a_race_and_more_lanes_are_never_later(byte grace, byte mix)
    {
        var f = Cone with { MixL = 50 + (mix * 20), GraceMinutes = grace };
        var (a, b) = (PutOutRace.For(f).Value, PutOutRace.For(f with { GraceMinutes = grace + 10 }).Value);
        b.FlatLoads.Count.ShouldBeLessThanOrEqualTo(a.FlatLoads.Count);
        PutOutRace.For(f with { Kit = f.Kit with { Lanes = 2 } }).Value.Times.DoneAtMin.ShouldBeLessThanOrEqualTo(a.Times.DoneAtMin + 1e-9);
        a.Times.Loads.Zip(a.Times.Loads.Skip(1)).ShouldAllBe(p => p.First.OutByMin <= p.Second.DrawFromMin);
    }

    [Theory]
    [InlineData(0, 0.5, 1, "loads")]
    [InlineData(501, 0.5, 1, "loads")]
    [InlineData(3, 0, 1, "lastShare")]
    [InlineData(3, double.NaN, 1, "lastShare")]
    [InlineData(3, 0.5, -1, "drawMin")]
    public void Nonsense_is_refused_by_field(int loads, double last, double draw, string field) =>
        PutOutRace.Of(new RaceQuestion {
            Loads = loads, LastShare = last, DrawMin = draw, TravelMin = 1, SprayMin = 1,
            GraceMinutes = 10
        }).Refused.ShouldNotBeNull().Problems.ShouldContain(p => p.Field == field);

    private static BrewPlanQuestion Plan(double warmth) => new() {
        Beds = [new PlanBed { Name = "Creek Field", AreaM2 = 14_000, Growing = "grass" }],
        Purpose = Purpose.Leaf,
        Now = new(2026, 6, 10, 5, 0, 0, TimeSpan.Zero),
        UseAt = new(2026, 6, 12, 18, 0, 0, TimeSpan.Zero),
        VesselWorkingL = 765,
        VesselDepthM = 0.9,
        PumpOpenLpm = 900,
        PumpShutOffKPa = 40,
        Diffuser = "fineMembrane",
        ChlorineMgPerL = 0.6,
        WarmthC = warmth,
        Members = 40,
        Race = new RaceKit { Name = "the boom", Kind = "boom", TankL = 400 },
    };

    [Theory]
    [InlineData(15)]
    [InlineData(18)]
    [InlineData(25)]
    public void A_plan_never_says_go_to_a_brew_that_its_own_gate_would_fail_at_the_last_drop(double warmth)
    {
        var p = BrewPlan.Of(Plan(warmth), at => at).Value;
        var race = p.Race.ShouldNotBeNull();
        if (p.Verdict.Tone != Tone.Go)
        {
            return;
        }

        // Logged to the end, the air off with the last draw: the gate at the last drop.
        var started = (p.UseAt - p.StartAt).TotalHours;
        var last = race.Times.Loads[^1];
        var off = started + ((last.DrawFromMin + race.DrawMin) / 60);
        var gate = FitToUse.Judge(new BrewSeen {
            IsTea = true, NowH = started + (race.Times.DoneAtMin / 60), AirOffH = off, StripMgPerL = 0,
            Oxygen = [new(started - 1, 7)], GraceMinutesTo6 = p.Forecast.GraceMinutesTo6
        }).Value;
        gate.Fitness.ShouldBe(Fitness.Fit, gate.Sentence);
    }

    [Fact]
    public void The_air_goes_off_with_the_last_draw_and_thinning_water_is_cleared_before_the_first()
    {
        var p = BrewPlan.Of(Plan(18), at => at).Value;
        DateTimeOffset At(string id) => p.Steps.Single(s => s.Id == id).At;
        var thinning = p.Steps.Single(s => s.Id == "thinning");
        thinning.At.AddMinutes(thinning.Minutes).ShouldBeLessThanOrEqualTo(At("use"));
        At("air-off").ShouldBeGreaterThan(At("use"));
        At("wash").ShouldBeGreaterThanOrEqualTo(At("air-off"));
        p.Steps.Select(s => s.At).ShouldBe(p.Steps.Select(s => s.At).Order());
    }

    [Fact]
    public void Thinning_water_that_stands_begins_days_before_and_moves_the_earliest_use()
    {
        var q = Plan(18) with { Choices = new Dictionary<string, string> { ["clear-chlorine"] = "stand" } };
        var p = BrewPlan.Of(q, at => at).Value;
        (p.UseAt - p.Steps.Single(s => s.Id == "thinning").At).TotalHours.ShouldBeInRange(48, 50);
        var soon = BrewPlan.Of(q with { UseAt = q.Now.AddHours(40), Making = Making.Extract, Purpose = Purpose.Root }, at => at).Value;
        soon.EarliestUseAt.ShouldBeGreaterThan(soon.UseAt);
        soon.Verdict.Sentence.ShouldStartWith("Too late");
    }

    [Fact]
    public void The_hold_that_was_chosen_is_the_hold_that_the_gate_and_the_race_use()
    {
        var seen = new BrewSeen { IsTea = true, NowH = 22, AirOffH = 20, StripMgPerL = 0, Oxygen = [new(18, 7)], GraceMinutesTo6 = 90 };
        FitToUse.Judge(seen).Value.Fitness.ShouldBe(Fitness.NotFit);
        FitToUse.Judge(seen with { Hold = "day" }).Value.MinutesLeft!.Value.ShouldBe(360, 1e-9);
        FitToUse.Judge(seen with { Hold = "hour", NowH = 20.5 }).Value.MinutesLeft!.Value.ShouldBe(30, 1e-9);
        BrewPlan.Of(Plan(18) with { Choices = new Dictionary<string, string> { ["hold"] = "day" } },
            at => at).Value.Race!.GraceMinutes.ShouldBe(480);
    }

    [Theory]
    [InlineData("moon", "full")]
    [InlineData("hold", "week")]
    public void A_choice_for_a_fork_or_school_that_does_not_exist_is_refused(string fork, string school) =>
        BrewPlan.Of(Plan(18) with { Choices = new Dictionary<string, string> { [fork] = school } },
            at => at).Refused.ShouldNotBeNull().Problems[0].Field.ShouldBe($"choices.{fork}");

    [Fact]
    public void Two_hectares_of_living_ground_ask_the_plan_for_what_the_tank_gives_them()
    {
        PlanBed[] beds = [new() { Name = "Creek", AreaM2 = 20_000, Life = Life.Living }];
        BrewPlan.WantedL(beds, leaf: false).ShouldBe(600, 1e-9);
        BrewPlan.Of(Plan(18) with { Beds = beds, Purpose = Purpose.Root }, at => at).Value.WantedL.ShouldBe(600, 1e-9);
    }

    [Fact]
    public void Not_ready_at_its_hour_is_not_go()
    {
        var p = BrewPlan.Of(Plan(12) with { Choices = new Dictionary<string, string> { ["brew-time"] = "fixed" } }, at => at).Value;
        p.Verdict.Tone.ShouldNotBe(Tone.Go);
        p.Run.HoursBelow6.ShouldBeLessThanOrEqualTo(p.BrewHours);
    }
}
