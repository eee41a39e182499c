using FsCheck.Xunit;
using MudPie.Core.Brewing;

namespace MudPie.Core.Tests.Brewing;

/// <summary>The model asked backwards, what-ifs, schools, learning, and what the watch says.</summary>
public class AskingTests
{
    private static BrewQuestion Bucket => BrewRunTests.Bucket;

    private static double LowestOf(BrewQuestion brew) => BrewRun.Of(brew with { Hours = 36 }).Value.MinOxygen;

    [Fact]
    public void The_most_of_a_food_is_the_amount_at_which_the_lowest_oxygen_is_six()
    {
        var a = BrewBackwards.Of(Bucket, 36).Value;
        foreach (var food in a.Most.Where(m => m.Ml > 0.5))
        {
            IReadOnlyList<FoodAmount> With(double ml) =>
                [.. Bucket.Foods!.Where(f => f.Kind != food.Kind), new FoodAmount { Kind = food.Kind, Ml = ml }];
            LowestOf(Bucket with { Foods = With(food.Ml) }).ShouldBe(6, 0.12, food.Kind);
            LowestOf(Bucket with { Foods = With(food.Ml * 1.3) }).ShouldBeLessThan(6);
        }

        a.Most.Single(m => m.Kind == "fishHydrolysate").Ml.ShouldBeLessThan(15); // the reference bucket dips to 5.7
        a.MostOfAll.ShouldBeInRange(0.7, 0.99);
    }

    [Fact]
    public void The_least_air_holds_it_and_a_tenth_less_does_not_and_hot_and_high_none_will_do()
    {
        var least = BrewBackwards.Of(Bucket, 36).Value.LeastAirLpm!.Value;
        least.ShouldBeGreaterThan(5);
        LowestOf(Bucket with { AirLpm = least }).ShouldBeGreaterThanOrEqualTo(5.99);
        LowestOf(Bucket with { AirLpm = least * 0.9 }).ShouldBeLessThan(6);
        var hot = BrewBackwards.Of(Bucket with { TemperatureC = 34, AltitudeM = 2000 }, 36).Value;
        hot.LeastAirLpm.ShouldBeNull();
        hot.Sentence.ShouldContain("no air will do");
    }

    [Fact]
    public void The_latest_start_is_ready_in_time()
    {
        var brew = Bucket with { SwingC = 4, StartHour = 9 };
        var a = BrewBackwards.Of(brew, 40).Value;
        var ready = BrewRun.Of(brew with { Hours = 24, StartHour = (9 + a.LatestStartH!.Value + 240) % 24 }).Value.ReadyAtH!.Value;
        (a.LatestStartH.Value + ready).ShouldBe(40, 0.1);
        a.Starts.Count.ShouldBe(5);
        a.Starts.Select(s => Math.Round(s.LowestMgPerL, 1)).ShouldBeInOrder(SortDirection.Descending);
        BrewBackwards.Of(brew with { TemperatureC = -5 }, double.NaN).Refused!.Problems.Select(p => p.Field)
            .ShouldBe(["temperatureC", "readyInH"], ignoreOrder: true);
    }

    [Fact]
    public void A_power_failure_changes_nothing_before_it_and_takes_the_brew_under_six_within_the_hour()
    {
        var curves = BrewWhatIf.Of(Bucket, [new WhatIf { Kind = "powerFails", AtH = 12 },
            new WhatIf { Kind = "powerFails", AtH = 12, Amount = 0.2 }, new WhatIf { Kind = "secondPump", AtH = 4 }]).Value;
        curves.Count.ShouldBe(4);
        foreach (var point in curves[0].Oxygen.Where(p => p.H < 12))
        {
            curves[1].Oxygen.Single(p => p.H == point.H).MgPerL.ShouldBe(point.MgPerL, 1e-3);
        }

        curves[1].Lowest.ShouldBeLessThan(1);
        curves[1].GraceMinutesTo6.ShouldBeLessThan(60);
        curves[2].Lowest.ShouldBeGreaterThan(curves[1].Lowest); // it comes back
        curves[3].Lowest.ShouldBeGreaterThan(curves[0].Lowest + 0.5);
    }

    [Fact]
    public void Half_the_molasses_or_a_cooler_place_is_kinder_and_parts_are_no_worse()
    {
        var sweet = Bucket with { AirLpm = 9, Foods = [.. Bucket.Foods!, new FoodAmount { Kind = "molasses", Ml = 8 }] };
        var curves = BrewWhatIf.Of(sweet,
            [new WhatIf { Kind = "halfFood" }, new WhatIf { Kind = "inParts" }, new WhatIf { Kind = "cooler", Amount = 6 }]).Value;
        curves[1].Lowest.ShouldBeGreaterThan(curves[0].Lowest + 0.3);
        curves[2].Lowest.ShouldBeGreaterThan(curves[0].Lowest - 0.1);
        curves[3].Lowest.ShouldBeGreaterThan(curves[0].Lowest + 0.3);
        curves[3].ReadyAtH!.Value.ShouldBeGreaterThan(curves[0].ReadyAtH!.Value);
        BrewWhatIf.Of(Bucket, [new WhatIf { Kind = "halfFood" }]).Refused!.Problems[0].Field.ShouldBe("whatIfs[0].food"); // none in it
        BrewWhatIf.Of(sweet, [new WhatIf { Kind = "halfFood", AtH = 5 }],
            nowH: 3).Refused!.Problems[0].Wrong.ShouldContain("can't be taken out");
        BrewWhatIf.Of(Bucket, [new WhatIf { Kind = "powerFails", AtH = 2 }], nowH: 6).Refused!.Problems[0].Wrong.ShouldContain("passed");
        BrewWhatIf.Of(Bucket, [new WhatIf { Kind = "wish" }]).Refused!.Problems[0].Field.ShouldBe("whatIfs[0].kind");
    }

    [Fact]
    public void A_cold_night_is_cold_at_night_only()
    {
        var curves = BrewWhatIf.Of(Bucket with { StartHour = 8 }, [new WhatIf { Kind = "coldNight", Amount = 8 }]).Value;
        curves[1].Oxygen.Single(p => p.H == 10).MgPerL.ShouldBe(curves[0].Oxygen.Single(p => p.H == 10).MgPerL, 0.01);
        curves[1].ReadyAtH!.Value.ShouldBeGreaterThan(curves[0].ReadyAtH!.Value);
    }

    [Fact]
    public void The_schools_differ_as_their_rules_do()
    {
        var runs = BrewSchools.Of(Bucket with { Foods = [.. Bucket.Foods!.Select(f => f with { Ml = f.Ml * 0.8 })] }, 23,
            Bias.Balanced).Value.ToDictionary(r => r.Id);
        runs["house"].Fit.ShouldBeTrue();
        runs["sweet"].Fit.ShouldBeFalse();
        runs["sweet"].Lowest.ShouldBeLessThan(0.5);
        runs["unfed"].Lowest.ShouldBeGreaterThan(7.5);
        runs["light"].AirLpm.ShouldBe(19 * 0.25, 1e-9);
        runs["heavy"].AirLpm.ShouldBe(19, 1e-9);
        runs["warmth"].Hours.ShouldBe(24, 1e-9); // 36 − (20 − 12)·1.5
        runs.Values.Select(r => r.Oxygen.Count).Distinct().Single().ShouldBe(97);
        runs.Values.ShouldAllBe(r => r.Why.Length > 20 && r.Recipe.Length > 0);
    }

    [Fact]
    public void Once_the_air_stops_a_battery_pump_buys_time_and_the_hour_rule_is_held_against_it()
    {
        var none = AfterAir.Of(Bucket, 20).Value;
        none.MinutesTo6!.Value.ShouldBeLessThan(none.MinutesTo2!.Value);
        none.HoldMinutes.ShouldBe(Math.Min(none.MinutesTo6.Value, 480), 1e-9);
        var battery = AfterAir.Of(Bucket, 20, new BatteryPump { AirLpm = 4, Hours = 3 }).Value;
        (battery.WithBatteryTo6 ?? 1e9).ShouldBeGreaterThan(none.MinutesTo6.Value);
        battery.HoldMinutes.ShouldBeLessThanOrEqualTo(480);
        none.Rules.Select(r => r.Id).ShouldBe(["oxygen", "hour", "day", "cool"]);
        // nothing breathes: the cap
        AfterAir.Of(Bucket with { Foods = [], Sources = [], TemperatureC = 8 }, 2).Value.HoldMinutes.ShouldBe(480);
        AfterAir.Of(Bucket, 20, new BatteryPump { AirLpm = -1, Hours = 900 }).Refused!.Problems.Select(p => p.Field)
            .ShouldBe(["battery.airLpm", "battery.hours"]);
    }

    [Fact]
    public void A_strong_source_is_found_out_by_readings_said_in_words_and_kept_for_the_next()
    {
        var hidden = HiddenBrew.Of(Bucket, 4, new Multipliers(1.2, 1, 1, 1, 1, 0.8, 1, 2.2, 1));
        var readings = new[] { 1.5, 3, 4.5, 6, 7.5 }.Select(h => new OxygenAt { H = h, MgPerL = hidden.OxygenAt(h) }).ToList();
        var told = BrewForecast.Of(new ForecastQuestion(Bucket) { Members = 1000, Readings = readings }).Value;
        var words = Learnt.InWords(told.Learnt);
        words.ShouldContain(w => w.Contains("source is strong"));

        var prior = Learnt.Prior([new Lesson(told.Learnt, true, true)])!;
        prior.Centre[7].ShouldBe(Math.Log(told.Learnt[7]) / 2, 1e-9);
        prior.Narrowed[7].ShouldBe(1 / Math.Sqrt(1.5), 1e-9);
        var next = BrewForecast.Of(new ForecastQuestion(Bucket) { Members = 1000, Prior = prior }).Value;
        var blind = BrewForecast.Of(new ForecastQuestion(Bucket) { Members = 1000 }).Value;
        next.ProbabilityBelow6.ShouldBeGreaterThan(blind.ProbabilityBelow6);
    }

    [Fact]
    public void What_a_vessel_teaches_stays_with_the_vessel_and_a_recipes_with_the_recipe()
    {
        double[] taught = [1.5, 1.5, 1, 1, 1.5, 0.7, 1.4, 2, 1.2];
        var vessel = Learnt.Prior([new Lesson(taught, true, false)])!;
        vessel.Centre[5].ShouldBe(Math.Log(0.7) / 2, 1e-12);
        vessel.Centre[7].ShouldBe(0);
        Learnt.Prior([new Lesson(taught, false, true)])!.Centre[5].ShouldBe(0);
        Learnt.Prior([]).ShouldBeNull();
        Learnt.Prior([.. Enumerable.Repeat(new Lesson(taught, true, true), 50)])!.Narrowed[0].ShouldBe(0.5);
        BrewForecast.Of(new ForecastQuestion(Bucket) { Prior = new Prior([1, 2], [1]) }).Refused!.Problems[0].Field.ShouldBe("prior");
    }

    [Fact]
    public void Readings_that_fit_no_brew_make_the_model_say_it_is_not_to_be_trusted()
    {
        var readings = new[] { (2.0, 1.0), (4.0, 9.0), (6.0, 0.5), (8.0, 9.0) }.Select(r => new OxygenAt { H = r.Item1, MgPerL = r.Item2 })
            .ToList();
        BrewForecast.Of(new ForecastQuestion(Bucket) { Members = 300, Readings = readings }).Value.Trusted.ShouldBeFalse();
    }

    private static WatchAnswer Watch(BrewSeen seen) =>
        BrewWatch.Of(new WatchQuestion { Brew = Bucket, Seen = seen, UseAtH = 24, StartedAt = DateTimeOffset.UnixEpoch, Members = 100 },
            at => at).Value;

    private static List<string> Rules(BrewSeen seen, ProbeState? probe = null) =>
        [.. WatchAlerts.Of("The Barrel", seen, Watch(seen), new WatchLines(), probe).Select(a => a.Rule)];

    [Fact]
    public void What_was_said_of_a_brew_is_taken_back_when_it_is_no_longer_so()
    {
        var seen = new BrewSeen { IsTea = true, NowH = 9, StripMgPerL = 0, Oxygen = [new(2, 8.6), new(8, 6.1)] };
        bool Still(string rule, BrewSeen s) => Watch(s) is var w
            && WatchAlerts.StillSo(rule, rule, [.. WatchAlerts.Of("The Barrel", s, w, new WatchLines())], w, new WatchLines());
        Still("below6Expected", seen).ShouldBeTrue();
        // it is to be heaped: one notice says so
        Still("below6Expected", seen with { Oxygen = [new(2, 8.6), new(8, 5.2)] }).ShouldBeFalse();
        Still("below6Expected", seen with { NowH = 23, Oxygen = [new(2, 8.6), new(8, 7.6), new(14, 7.7), new(20, 8.2), new(22.8, 8.4)] })
            .ShouldBeFalse();
        Still("readyUnseen", seen with { NowH = 30, Oxygen = [new(0.9, 3.0)] }).ShouldBeTrue();
        Still("readyUnseen", seen with { NowH = 30, Oxygen = [new(0.9, 3.0), new(29, 8)] }).ShouldBeFalse();
        Still("below6Now", seen).ShouldBeFalse(); // the reading was put right
    }

    [Fact]
    public void A_model_that_does_not_fit_says_so_whatever_the_verdict_is_about()
    {
        var odd = Watch(new BrewSeen {
            IsTea = true, NowH = 9, StripMgPerL = 0,
            Oxygen = [new(2, 2.1), new(4, 9.0), new(6, 1.6), new(8, 9.1)]
        });
        odd.Gate.Fitness.ShouldBe(Fitness.NotFit);
        odd.ModelSays.ShouldStartWith("The model does not fit this brew: ");
        odd.Now!.By.ShouldBe("by your own readings");
        Watch(new BrewSeen { IsTea = true, NowH = 9, StripMgPerL = 0, Oxygen = [new(2, 8.6), new(8, 7.5)] }).ModelSays
            .ShouldStartWith("A model, not a measurement");
    }

    [Fact]
    public void The_watch_says_each_thing_when_it_is_so()
    {
        var seen = new BrewSeen { IsTea = true, NowH = 9, StripMgPerL = 0, Oxygen = [new(2, 8.6), new(8, 6.1)] };
        Rules(seen).ShouldContain("below6Expected");
        Rules(seen with { Oxygen = [new(2, 8.6), new(8, 5.2)] }).ShouldBe(["below6Now"]);
        Rules(seen with { NowH = 13 }).ShouldContain("noReading");
        Rules(seen with { NowH = 30, Oxygen = [new(10, 7.5), new(29, 8)] }).ShouldContain("ready");
        Rules(seen with { NowH = 30, Oxygen = [new(0.9, 3.0)] }).ShouldSatisfyAllConditions(r => r.ShouldContain("readyUnseen"),
            r => r.ShouldNotContain("ready"));
        Rules(seen with { NowH = 37, Oxygen = [new(36.5, 8)] }).ShouldContain("tooOld");
        Rules(seen with { Oxygen = [new(2.5, 8.7)], NowH = 3, AirOffH = 2.97 }).ShouldBe([]);
        Rules(seen with { Oxygen = [new(8.5, 8)], AirOffH = 8.9 }).ShouldBe(["graceShort"]);
        Rules(seen, new ProbeState(2, 1.4)).ShouldContain("probeSilent");
        Rules(seen, new ProbeState(0.01, -1.4)).ShouldContain("probeDrift");
        Rules(seen, new ProbeState(0.01, 0.4)).ShouldNotContain("probeDrift");
    }

    [Fact]
    public void Silence_is_told_again_after_a_new_reading_and_not_before()
    {
        List<string> Keys(double now, params SeenAt<double>[] read) =>
            [.. WatchAlerts.Of("x", new BrewSeen { IsTea = true, NowH = now, Oxygen = read },
                Watch(new BrewSeen { IsTea = true, NowH = now, Oxygen = read }), new WatchLines()).Where(a => a.Rule == "noReading")
                .Select(a => a.Key)];
        Keys(7, new SeenAt<double>(2, 8.8)).ShouldBe(Keys(8, new SeenAt<double>(2, 8.8)));
        Keys(13, new(2, 8.8), new(8, 7.9)).ShouldNotBe(Keys(7, new SeenAt<double>(2, 8.8)));
    }

    [Fact]
    public void A_hidden_brew_reads_the_same_twice_strays_as_told_and_drops_out_as_often()
    {
        var hidden = HiddenBrew.Of(Bucket, 9);
        hidden.ReadAt(5, new Straying()).ShouldBe(HiddenBrew.Of(Bucket, 9).ReadAt(5, new Straying()));
        var strays = new Straying(0, 0.5, 0.05);
        hidden.ReadAt(10, strays)!.MgPerL.ShouldBe(hidden.OxygenAt(10) + 1, 0.006);
        var came = Enumerable.Range(0, 1000).Count(i => hidden.ReadAt(i * 0.048, new Straying(0.1, 0, 0, 0.2)) is not null);
        came.ShouldBeInRange(760, 840);
    }

    [Fact]
    public void Looking_back_counts_what_went_with_the_failures()
    {
        PastBrew Brew(int id, bool failed, bool sweet) => new(id, failed, 18, 0.3, 0.3, sweet, 24, true, null, 3);
        var went = LookingBack.Of([.. Enumerable.Range(0, 9).Select(i => Brew(i, i == 0, false)), .. Enumerable.Range(10, 4)
            .Select(i => Brew(i, i < 13, true))]);
        went[0].Id.ShouldBe("sweet");
        (went[0].FailedWith, went[0].With, went[0].FailedWithout, went[0].Without).ShouldBe((3, 4, 1, 9));
        went[0].Sentence.ShouldContain("a hint, not a finding");
        went.ShouldNotContain(w => w.Id == "unclean"); // nobody logs it
    }

    private static PracticeAnswer Play(string situation, double now, params PracticeDeed[] deeds) =>
        PracticeBrew.Of(new PracticeQuestion { Situation = situation, NowH = now, Deeds = deeds }).Value;

    [Fact]
    public void The_quiet_pump_is_found_only_by_looking()
    {
        var blind = Play("pump", 28, new PracticeDeed { AtH = 3, Kind = "oxygen" }, new PracticeDeed { AtH = 28, Kind = "use" });
        blind.Over.ShouldBeTrue();
        blind.End!.Verdict.Sentence.ShouldContain("failed brew went on plants");
        blind.End.Account.ShouldContain(a => a.Contains("The pump stopped at 7 h 30 min"));
        var seen = Play("pump", 8, new PracticeDeed { AtH = 7.6, Kind = "bubbles" }, new PracticeDeed { AtH = 7.7, Kind = "mendPump" });
        seen.Looks[0].Shown.ShouldContain("still");
        var saved = Play("pump", 28, new PracticeDeed { AtH = 7.6, Kind = "bubbles" }, new PracticeDeed { AtH = 7.7, Kind = "mendPump" },
            new PracticeDeed { AtH = 14, Kind = "oxygen" }, new PracticeDeed { AtH = 26, Kind = "use" });
        saved.End!.Verdict.Tone.ShouldBe(Tone.Go);
        saved.End.Account.ShouldContain(a => a.StartsWith("Looked to the pump") && a.Contains("higher at its lowest"));
    }

    [Theory]
    [InlineData("sweet")]
    [InlineData("warm")]
    [InlineData("pump")]
    [InlineData("strong")]
    public void Left_alone_it_goes_wrong_and_a_brew_that_has_turned_still_smells_fine(string situation)
    {
        var hours = Enumerable.Range(1, 40)
            .SelectMany(h => new[] { new PracticeDeed { AtH = h, Kind = "smell" }, new PracticeDeed { AtH = h, Kind = "oxygen" } })
            .ToArray();
        var a = Play(situation, 48, hours);
        a.End!.LowestMgPerL.ShouldBeLessThan(6);
        var low = a.Looks.First(l => l.MgPerL < 5.4).AtH;
        a.Looks.First(l => l.Kind == "smell" && l.AtH >= low).Shown.ShouldNotBe("sour");
    }

    [Fact]
    public void Every_situation_can_be_brought_home()
    {
        PracticeDeed At(double h, string kind) => new() { AtH = h, Kind = kind };
        Play("sweet", 30, At(1, "oxygen"), At(1.1, "secondPump"), At(1.2, "secondPump"), At(1.3, "secondPump"), At(1.4, "cool"),
            At(20, "use")).End!.LowestMgPerL.ShouldBeGreaterThan(4.5);
        Play("warm", 30, At(1, "oxygen"), At(1, "secondPump"), At(1.1, "cool"), At(14, "use")).End!.Verdict.Tone.ShouldBe(Tone.Go);
        Play("strong", 30, At(1, "oxygen"), At(1.5, "secondPump"), At(2, "secondPump"), At(18, "use")).End!.Verdict.Tone.ShouldBe(Tone.Go);
        Play("truck", 30, At(10, "oxygen"), At(19.9, "airOff"), At(20, "use")).End!.Verdict.Tone.ShouldBe(Tone.Go);
        Play("truck", 30, At(10, "oxygen"), At(20, "airOff"), At(23, "use")).End!.Account.ShouldContain(x => x.Contains("3 h without air"));
        Play("cold", 40, At(10, "oxygen"), At(30, "use")).End!.Verdict.Tone.ShouldBe(Tone.Go);
        PracticeBrew.Of(new PracticeQuestion { Situation = "none", NowH = 99, Deeds = [At(3, "dance")] }).Refused!.Problems.Select(p =>
            p.Field).ShouldBe(["situation", "nowH", "deeds[0].atH", "deeds[0].kind"], ignoreOrder: true);
    }

    [Property(MaxTest = 25)]
    public void Carbon_is_conserved_with_feeds_air_changes_and_several_outlets(byte air, byte ml, byte hour)
    {
        var brew = Bucket with {
            Hours = 30,
            Outlets = [new OutletAir { Diffuser = "drilledPipe", DepthM = 0.3, AirLpm = 1 + (air / 20.0) },
                new OutletAir { Diffuser = "airStone", DepthM = 0.2, AirLpm = 2 }],
            Foods = [.. Bucket.Foods!, new FoodAmount { Kind = "molasses", Ml = ml / 10.0, AtH = 1 + (hour % 20) }],
        };
        var setup = brew.MakeReady().Setup! with { AirChanges = [(6, -1), (9, 20)] };
        var trace = new BrewTrace();
        var eq = setup.Solve(Multipliers.Table, 30, 1e-8, trace);
        // d(Sr+Sx+B+F)/dt = −OUR + what the source releases, over each stretch between events.
        double Cod(double h) => trace.At(h) is var y ? y.Sr + y.Sx + y.B + y.F : 0;
        var (from, to) = (22.0, 30.0);
        const int steps = 4000;
        var used = Enumerable.Range(0, steps)
            .Sum(i => eq.OxygenUse(from + ((i + 0.5) * (to - from) / steps), trace.At(from + ((i + 0.5) * (to - from) / steps))))
            * (to - from) / steps;
        var released = (setup.Source.B + setup.Source.F) * (Math.Exp(-1.2 * from) - Math.Exp(-1.2 * to));
        (Cod(to) - Cod(from)).ShouldBe(released - used, 0.01);
    }
}
