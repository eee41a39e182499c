using FsCheck.Xunit;
using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Core.Workings;
using MudPie.Core.Works;

namespace MudPie.Core.Tests.Works;

/// <summary>Worms: what they eat, how their trays stand, what their castings hold and carry.</summary>
public sealed class WormTests
{
    private static readonly DateTimeOffset Begun = new(2026, 3, 1, 8, 0, 0, TimeSpan.Zero);

    private static readonly WormBin Bin = new("worm bin", false, 800, [new("tray 1", 30), new("tray 2", 30), new("tray 3", 30)]);

    private static WorkPoint At(double day, WorkStep step) => new(step, Begun.AddDays(day));

    private static WorkPoint Fed(double day, double g, string what = "kitchen scraps") =>
        At(day, WorkStep.Fed) with { Grams = g, What = what, Tray = "tray 1" };

    private static WormsStand Stands(double day, params WorkPoint[] points) => Stands(Bin, day, points);

    private static WormsStand Stands(WormBin bin, double day, params WorkPoint[] points) =>
        WormCourse.Of(bin, points, Materials.All, Begun.AddDays(day), t => t);

    private static Ruling<WorkStepDone> Do(WorkStepAsked did, WormsStand stands, UnitSystem units = UnitSystem.Metric) =>
        WormDeeds.Do(did, Bin, stands, Materials.All, units, Begun.AddDays(30));

    [Fact]
    public void They_eat_half_their_weight_a_day_where_it_is_warm_and_two_days_may_lie()
    {
        var a = WormAppetite.Of(800, [Fed(0, 400)], Begun.AddDays(1)).Value;
        a.GPerDay!.Value.ShouldBe(400, 1e-9);
        a.LyingG.ShouldBe(0, 1e-9);
        a.TodayG!.Value.ShouldBe(800, 1e-9);
        var soon = WormAppetite.Of(800, [Fed(0, 1000)], Begun.AddDays(1)).Value;
        soon.LyingG.ShouldBe(600, 1e-9);
        soon.TodayG!.Value.ShouldBe(200, 1e-9);
        (soon.FeedOn!.Value - Begun.AddDays(1)).TotalDays.ShouldBe(1, 1e-9); // half a day's food before it is gone
        WormAppetite.Of(800, [At(0, WorkStep.Warmth) with { Figure = 10 }], Begun.AddDays(1)).Value.GPerDay!.Value.ShouldBe(200, 1e-9);
        WormAppetite.Of(null, [Fed(0, 400)], Begun.AddDays(1)).Value.TodayG.ShouldBeNull();
    }

    [Theory]
    [InlineData(4, 0)]
    [InlineData(10, 0.5)]
    [InlineData(20, 1)]
    [InlineData(29, 0.5)]
    [InlineData(35, 0)]
    public void Warmth_sets_their_appetite(double celsius, double share) => WormAppetite.Warmth(celsius).ShouldBe(share, 1e-9);

    [Fact]
    public void What_was_gone_goes_before_their_weight()
    {
        WorkPoint Left(double day, double share) => At(day, WorkStep.Left) with { Share = share };
        var slow = WormAppetite.Of(800, [Fed(0, 600), Left(3, 0.5)], Begun.AddDays(3)).Value;
        slow.Seen.ShouldBeTrue();
        slow.GPerDay!.Value.ShouldBe(100, 1e-9);
        slow.LyingG.ShouldBe(300, 1e-9);
        // All gone says only that they eat at least so much.
        var quick = WormAppetite.Of(800, [Fed(0, 600), Left(3, 0)], Begun.AddDays(3)).Value;
        quick.Seen.ShouldBeFalse();
        quick.GPerDay!.Value.ShouldBe(400, 1e-9);
        WormAppetite.Of(800, [Fed(0, 1500), Left(3, 0)], Begun.AddDays(3)).Value.GPerDay!.Value.ShouldBe(500, 1e-9);
        // A look of long ago counts no more; one without food before it says nothing.
        WormAppetite.Of(800, [Fed(0, 600), Left(3, 0.5)], Begun.AddDays(60)).Value.GPerDay!.Value.ShouldBe(400, 1e-9);
        WormAppetite.Of(800, [Left(3, 0.5)], Begun.AddDays(4)).Value.GPerDay!.Value.ShouldBe(400, 1e-9);
    }

    [Property]
    public bool What_lies_is_never_more_than_was_fed_and_never_under_nothing(byte[] feeds, byte grams)
    {
        var points = feeds.Take(20).Select((f, i) => f % 3 == 0 ? At(i, WorkStep.Left) with { Share = f / 255.0 } : Fed(i, f * 10.0))
            .ToList();
        var a = WormAppetite.Of(grams * 10, points, Begun.AddDays(25)).Value;
        return a.LyingG >= 0 && a.LyingG <= points.Sum(p => p.Grams ?? 0) + 1e-9 && a.TodayG >= 0;
    }

    [Fact]
    public void Castings_are_so_much_stronger_a_litre_as_less_is_left()
    {
        var scraps = Materials.Find("scraps")!;
        var card = Materials.Find("cardboard")!;
        LaidIn[] laid = [new(scraps, 30, 30 / 0.55), new(card, 1.6, 20)];
        var c = Castings.Of(laid, null).Value;
        c.LaidL.ShouldBe(74.545, 1e-3);
        c.Litres.ShouldBe(37.27, 1e-2);
        c.Stronger.ShouldBe(2, 1e-9); // 1 ÷ (1 − 0.5), and not 1.5
        c.NGPerL.ShouldBe(((30 * 0.25 * 0.024) + (1.6 * 0.92 * 0.0015)) * 1000 / 37.2727, 1e-3);
        (c.LowL, c.HighL).ShouldBe((c.LaidL * 0.4, c.LaidL * 0.6));
        c.NLow.ShouldBeLessThan(c.NGPerL);
        c.NHigh.ShouldBeGreaterThan(c.NGPerL);
        var measured = Castings.Of(laid, 29.818).Value;
        measured.Shrink.ShouldBe(0.6, 1e-4);
        measured.Stronger.ShouldBe(2.5, 1e-3);
        Castings.Of([], null).Refused.ShouldNotBeNull();
    }

    [Property]
    public bool Nitrogen_of_castings_is_what_was_laid_in(byte scraps, byte leaves)
    {
        LaidIn[] laid = [new(Materials.Find("scraps")!, 1 + scraps, (1 + scraps) / 0.55), new(Materials.Find("leaves")!, leaves,
            leaves / 0.1)];
        var c = Castings.Of(laid, null).Value;
        var nitrogen = laid.Sum(l => l.Kg * (1 - l.Of.Moisture) * l.Of.Nitrogen * 1000);
        return Math.Abs((c.NGPerL * c.Litres) - nitrogen) < 1e-6 * nitrogen;
    }

    [Fact]
    public void A_share_of_castings_carries_a_seedling_and_not_a_lettuce()
    {
        var castings = Materials.Find("castings")!;
        CastingsFeedAnswer Of(CastingsFeedAsked r) => CastingsFeed.Of(r, castings, UnitSystem.Metric).Value;
        var lettuce = Of(new() { Pot = "3 L", Share = "30", Crop = PotCrop.Lettuce });
        lettuce.Outlook.Weeks[^1].G.ShouldBe((1 - Math.Exp(-0.06 * 8)) * 0.9 * 0.7 * 0.3 * (0.018 - (0.3 * 0.05)) * 1000, 1e-9);
        lettuce.Verdict.Tone.ShouldBe(Tone.Mind);
        lettuce.ShareThatCarries.ShouldBeGreaterThan(1);
        // A sheet's ammonium and nitrate is there at once.
        var sheet = Of(new() { Pot = "3 L", Share = "30", Crop = PotCrop.Lettuce, MineralN = "2000" });
        sheet.Outlook.Weeks[0].G.ShouldBe(1.8, 1e-9);
        sheet.Verdict.Tone.ShouldBe(Tone.Go);
        Of(new() { Pot = "60 mL", Share = "30 %", Crop = PotCrop.Module, MineralN = "2500" }).Verdict.Tone.ShouldBe(Tone.Go);
        Of(new() { Pot = "3 L", Share = "60", Crop = PotCrop.Lettuce }).Verdict.Sentence.ShouldContain("is much");
        Of(new() { Pot = "3 L", Share = "20", Takes = "0.05 g", Weeks = "8" }).Verdict.Tone.ShouldBe(Tone.Go);
        CastingsFeed.Of(new() { Pot = "3 L", Share = "20" }, castings, UnitSystem.Metric).Refused!.Problems[0].Field.ShouldBe("takes");
        CastingsFeed.Of(new() { Pot = "", Share = "200", Crop = PotCrop.Lettuce, Weeks = "-1", Nitrogen = "NaN" }, castings,
            UnitSystem.Metric)
            .Refused!.Problems.Select(p => p.Field).ShouldBe(["pot", "share", "weeks", "nitrogen"], ignoreOrder: true);
    }

    [Fact]
    public void Trays_go_from_filling_to_ready_and_the_stack_is_drawn_as_it_stands()
    {
        var s = Stands(0);
        s.Trays.ShouldAllBe(t => t.State == TrayState.Waiting);
        s.Feeding.ShouldBeNull();
        WorkPoint[] log = [Fed(0, 4000), At(20, WorkStep.Full) with { Tray = "tray 1" }, Fed(21, 500) with { Tray = "tray 2" }];
        s = Stands(30, log);
        s.Trays.Select(t => t.Name).ShouldBe(["tray 3", "tray 2", "tray 1"]);
        s.Feeding!.Name.ShouldBe("tray 2");
        s.Trays[2].State.ShouldBe(TrayState.Working);
        s.Trays[2].LookFrom.ShouldBe(Begun.AddDays(80));
        var may = Stands(81, log);
        may.Verdict.Sentence.ShouldBe("Tray 1 may be ready: look.");
        may.Due.ShouldContain(d => d.Rule == "ready");
        var ready = Stands(82, [.. log, At(82, WorkStep.Ready) with { Tray = "tray 1" }]);
        ready.Verdict.Sentence.ShouldStartWith("Harvest tray 1");
        ready.Due.ShouldContain(d => d.Rule == "harvest");
        WormSays.Short(Bin, ready, Begun.AddDays(82)).Word.ShouldBe("tray 1 ready");
        var out_ = Stands(84, [.. log, At(82, WorkStep.Ready) with { Tray = "tray 1" },
            At(83, WorkStep.Harvested) with { Tray = "tray 1", Litres = 3 }]);
        out_.Trays.Single(t => t.Name == "tray 1").State.ShouldBe(TrayState.Waiting);
        out_.Trays.Single(t => t.Name == "tray 1").Laid.ShouldBeEmpty();
        WormCourse.Left(0).ShouldBe(1);
        WormCourse.Left(8).ShouldBe(0.53, 0.005);
    }

    [Fact]
    public void An_alarm_stops_the_feeding_until_something_is_done_about_it()
    {
        var s = Stands(10, Fed(0, 400), At(9, WorkStep.Alarm));
        s.Verdict.Tone.ShouldBe(Tone.Stop);
        s.Due[0].Rule.ShouldBe("alarm");
        s.Due.ShouldNotContain(d => d.Rule == "feed");
        Stands(10, Fed(0, 400), At(9, WorkStep.Alarm), At(9.5, WorkStep.Bedding) with { Litres = 5, Tray = "tray 1" })
            .AlarmAt.ShouldBeNull();
        Stands(14, Fed(0, 400), At(9, WorkStep.Alarm)).AlarmAt.ShouldBeNull();
    }

    [Theory]
    [InlineData(2, Tone.Stop)]
    [InlineData(7, Tone.Mind)]
    [InlineData(18, Tone.Go)]
    [InlineData(30, Tone.Mind)]
    [InlineData(34, Tone.Stop)]
    public void Frost_and_sun_go_before_food(double celsius, Tone tone) =>
        Stands(10, Fed(0, 400), At(9.5, WorkStep.Warmth) with { Figure = celsius }).Verdict.Tone.ShouldBe(tone);

    [Fact]
    public void Too_much_of_what_they_take_little_of_is_said()
    {
        Stands(10, Fed(8, 400), Fed(9, 100, "onion skins")).Verdict.Sentence.ShouldContain("onion");
        Stands(10, Fed(8, 1400), Fed(9, 100, "onion skins")).Verdict.Sentence.ShouldNotContain("onion");
        Stands(10, Fed(8, 400, "coffee grounds")).Verdict.Sentence.ShouldContain("grounds alone");
        Stands(10, Fed(9.9, 3000)).Verdict.Sentence.ShouldStartWith("Feed nothing until");
        Stands(10, Fed(5, 400)).Verdict.Sentence.ShouldBe("Feed them up to 800 g.");
        Stands(10, At(9, WorkStep.Damp) with { Damp = Damp.Wet }).Verdict.Sentence.ShouldContain("dry browns");
        Stands(10).Verdict.Sentence.ShouldStartWith("Lay in damp bedding");
        var place = new WormBin("bed 4", true, null, []);
        Stands(place, 10).Verdict.Sentence.ShouldContain("under the mulch");
        Stands(place, 10, Fed(1, 400) with { Tray = null }).Verdict.Sentence.ShouldContain("as much again");
    }

    [Fact]
    public void Feeding_goes_into_the_tray_that_is_fed_and_bare_figures_are_grams()
    {
        var s = Stands(30, Fed(0, 400));
        var fed = Do(new() { Step = WorkStep.Fed, Amount = "400", What = "peelings" }, s).Value;
        (fed.Point.Grams, fed.Point.Tray).ShouldBe((400, "tray 1"));
        Do(new() { Step = WorkStep.Fed, Amount = "2 L" }, s).Value.Point.Grams!.Value.ShouldBe(1100, 1e-9);
        Do(new() { Step = WorkStep.Fed, Amount = "16" }, s, UnitSystem.UsCustomary).Value.Point.Grams!.Value.ShouldBe(453.59, 0.01);
        Do(new() { Step = WorkStep.Bedding, Amount = "8 L", What = "leaves" }, s).Value.Point.Litres!.Value.ShouldBe(8, 1e-9);
        Do(new() { Step = WorkStep.Fed, Amount = "400 g", What = "fish scraps" }, s).Refused!.Problems[0].Field.ShouldBe("note");
        Do(new() { Step = WorkStep.Fed, Amount = "400 g", What = "fish scraps", Note = "one skin" }, s).Refused.ShouldBeNull();
        Do(new() { Step = WorkStep.Fed, Amount = "400 g", Tray = "tray 2" }, s)
            .Refused!.Problems[0].Wrong.ShouldContain("tray 1 is being fed");
        Do(new() { Step = WorkStep.Fed, Amount = "400 g" }, Stands(0)).Refused!.Problems[0].Field.ShouldBe("tray");
        Do(new() { Step = WorkStep.Fed, Amount = "0", Tray = "tray 9" }, s).Refused!.Problems.Select(p => p.Field)
            .ShouldBe(["amount", "tray"], ignoreOrder: true);
        (WormFood.Kept("soil"), WormFood.Kept("cooking oil"), WormFood.Sour("onion skins")).ShouldBe((null, "oil", "onion"));
    }

    [Fact]
    public void What_is_harvested_lies_on_the_shelf_without_what_was_sieved_back()
    {
        var ready = Stands(30, Fed(0, 20000), At(10, WorkStep.Full) with { Tray = "tray 1" },
            At(29, WorkStep.Ready) with { Tray = "tray 1" });
        var done = Do(new() { Step = WorkStep.Harvested, Tray = "Tray 1", Amount = "28 L", Back = "4 L" }, ready).Value;
        done.Yields!.Litres.ShouldBe(24, 1e-9);
        (done.Yields.Kind, done.Yields.Name, done.Point.BackL).ShouldBe(("castings", "castings, worm bin", 4));
        Do(new() { Step = WorkStep.Harvested, Tray = "tray 1", Amount = "4 L", Back = "4 L" }, ready)
            .Refused!.Problems[0].Field.ShouldBe("back");
        var working = Stands(30, Fed(0, 20000));
        Do(new() { Step = WorkStep.Harvested, Tray = "tray 1", Amount = "9 L" }, working).Refused!.Problems[0].Field.ShouldBe("note");
        Do(new() { Step = WorkStep.Harvested, Tray = "tray 2", Amount = "9 L", Note = "x" }, working)
            .Refused!.Problems[0].Field.ShouldBe("tray");
        Do(new() { Step = WorkStep.Ready, Tray = "tray 1" }, working).Refused!.Problems[0].WayOut.ShouldContain("full");
        Do(new() { Step = WorkStep.Lit }, working).Refused!.Problems[0].Field.ShouldBe("step");
        Do(new(), working).Refused!.Problems[0].Field.ShouldBe("step");
        Do(new() { Step = WorkStep.Left }, working).Refused!.Problems[0].Field.ShouldBe("share");
        Do(new() { Step = WorkStep.Damp }, working).Refused!.Problems[0].Field.ShouldBe("damp");
        Do(new() { Step = WorkStep.Warmth, Amount = "900 °C" }, working).Refused!.Problems[0].Field.ShouldBe("amount");
    }

    [Fact]
    public void A_bin_wants_trays_with_names_of_their_own()
    {
        Refusal? Of(WormsAsked r) => WormReading.Of(r, UnitSystem.Metric).Refused;
        Of(new() { Name = "bin", Trays = [new() { Name = "a", Holds = "30 L" }, new() { Name = "A", Holds = "30 L" }] })!.Problems[0].Field
            .ShouldBe("trays[1].name");
        Of(new() { Name = "bin" })!.Problems[0].Field.ShouldBe("trays");
        Of(new() { Name = "", Worms = "-1 kg", Trays = [new() { Name = "a", Holds = "900 m3" }] })!.Problems.Select(p => p.Field)
            .ShouldBe(["name", "worms", "trays[0].holds"], ignoreOrder: true);
        Of(new() { Name = "bed 4", InPlace = true }).ShouldBeNull();
    }
}
