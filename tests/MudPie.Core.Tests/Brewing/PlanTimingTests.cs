using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;

namespace MudPie.Core.Tests.Brewing;

/// <summary>The schedule, counted backwards from six in the morning, to the minute and in its words.</summary>
public sealed class PlanTimingTests
{
    private static readonly DateTimeOffset UseAt = new(2027, 5, 3, 6, 0, 0, TimeSpan.Zero);

    private static readonly ChlorineDoseAnswer Ascorbic = new("ascorbic", "ascorbic acid", 300, "mg", 30, 30, "yes", null);

    private static readonly ChlorineDoseAnswer None = new("none", "nothing", null, null, 0, 0, "yes", null);

    private static readonly RaceAnswer Race = new(new RaceTimes([new(0, 0, 25, 25, true), new(25, 25, 45, 20, true)], 45), 60,
        new RaceKit(), 2, 10, 5, [], new Verdict(Tone.Go, "Two fillings.", "Both in time."), []);

    // 60 L: thirteen minutes to set up, ten to fill.
    private static PlanTiming Timing(Making making, double litres = 60, RaceAnswer? race = null) =>
        new(UseAt, UseAt.AddHours(-30), litres, 30, 40, race, making, UnitSystem.Metric, at => at.ToOffset(TimeSpan.FromHours(2)));

    private static IReadOnlyList<PlanStep> Steps(Making making, double hours, double litres = 60, double thinningL = 0, int loads = 1,
        string order = "source-first", RaceAnswer? race = null, IReadOnlyList<PlanAmount>? foods = null,
        IReadOnlyList<SourceAmount>? more = null) =>
        Timing(making, litres, race).Steps(hours, litres, Ascorbic, (thinningL, None), "compost", 2, more ?? [], loads, foods ?? [], order);

    private static (string, string, double) Said(PlanStep s) =>
        (s.Id, s.At.ToString("d HH:mm:ss", System.Globalization.CultureInfo.InvariantCulture), s.Minutes);

    [Fact]
    public void A_tea_of_a_day_step_by_step()
    {
        PlanAmount[] foods = [new("molasses", "molasses", 0.03, true, 1), new("fish", "fish hydrolysate", 0.02, true, 1),
            new("molasses", "molasses", 0.01, true, 1, 6), new("kelp", "kelp", 0.01, true, 1, 12)];
        var steps = Steps(Making.Tea, 24, thinningL: 90, race: Race, foods: foods, more: [new() { Kind = "castings", Litres = 1 }]);
        steps.Select(Said).ShouldBe([("shop", "2 03:50:00", 60), ("fill", "2 04:50:00", 10), ("clear", "2 05:00:00", 30),
            ("strip", "2 05:30:00", 5), ("source", "2 05:35:00", 15), ("foods", "2 05:50:00", 10), ("feed-6", "2 11:35:00", 10),
            ("feed-12", "2 17:35:00", 10), ("thinning", "3 05:02:00", 40), ("check", "3 05:37:00", 10), ("sprayer", "3 05:47:00", 13),
            ("use", "3 06:00:00", 45), ("air-off", "3 06:27:30", 2), ("wash", "3 06:50:00", 30)]);
        string Of(string id) => steps.Single(s => s.Id == id).Detail;
        Of("fill").ShouldBe("60 L of water; air on.");
        Of("clear").ShouldBe("300 mg of ascorbic acid, stir, wait 30 min.");
        Of("source").ShouldBe($"2 L of {Ingredients.Source("compost")!.Name} and 1 L of {Ingredients.Source("castings")!.Name} in the bag; "
            + "rub it until the water is dark.");
        Of("foods").ShouldBe("30 mL molasses, 20 mL fish hydrolysate.");
        Of("feed-6").ShouldBe("10 mL molasses.");
        Of("thinning").ShouldBe("90 L in a vessel of its own: nothing to clear: the strip read zero. Strip at zero before the first draw.");
        Of("use").ShouldBe("Two fillings. Both in time.");
        Of("check").ShouldBe("Oxygen, smell, foam: fit to use? The air stays on.");
        Of("sprayer").ShouldStartWith("Sprayer clean, strainer in, the thinning water’s strip at zero; the air stays on");
    }

    [Fact]
    public void Food_first_goes_in_before_the_source()
    {
        var steps = Steps(Making.Tea, 24, order: "food-first", foods: [new("molasses", "molasses", 0.03, true, 1)]);
        steps.Where(s => s.Id is "source" or "foods").Select(Said).ShouldBe([("foods", "2 05:35:00", 10), ("source", "2 05:45:00", 15)]);
        Steps(Making.Tea, 24, order: "food-first").Single(s => s.Id == "source").At.Minute.ShouldBe(35); // without food nothing moves
    }

    [Fact]
    public void Without_a_race_an_hour_is_left_for_it()
    {
        var steps = Steps(Making.Tea, 24);
        steps.Where(s => s.Id is "use" or "wash" or "air-off" or "thinning").Select(Said)
            .ShouldBe([("use", "3 06:00:00", 60), ("wash", "3 07:00:00", 30)]);
        steps.Single(s => s.Id == "use").Detail.ShouldBe("Thin it, and wash up at once afterwards.");
        var quick = Race with { Times = Race.Times with { DoneAtMin = 2 }, TravelMin = 0 };
        Steps(Making.Bubbled, 3.5, race: quick).Where(s => s.Id is "use" or "wash").Select(Said)
            .ShouldBe([("use", "3 06:00:00", 5), ("wash", "3 06:02:00", 30)]);
    }

    [Theory]
    [InlineData(Making.Extract, 1, 20)]
    [InlineData(Making.Extract, 3, 30)]
    [InlineData(Making.Bubbled, 3, 210)]
    [InlineData(Making.Steep, 1, 2880)]
    public void How_long_the_source_is_in(Making making, int loads, double minutes) =>
        (PlanTiming.HoursOf(making, loads) * 60).ShouldBe(minutes, 1e-9);

    [Fact]
    public void An_extract_is_dunked_load_by_load_and_wants_no_air()
    {
        var one = Steps(Making.Extract, 20.0 / 60, race: Race);
        one.ShouldNotContain(s => s.Id == "air-off");
        var compost = Ingredients.Source("compost")!.Name;
        one.Single(s => s.Id == "source").ShouldBe(new PlanStep("source", "Dunk",
            $"2 L of {compost} in the bag; dunk and squeeze gently for 1 to 2 minutes.", UseAt.AddMinutes(-45), 20));
        one.Single(s => s.Id == "fill").Detail.ShouldBe("60 L of water.");
        one.Single(s => s.Id == "check").Detail.ShouldBe("Strip, smell, source: fit to use?");
        one.Single(s => s.Id == "sprayer").Detail.ShouldBe("Sprayer clean, strainer in; the thinning water’s strip at zero.");
        var four = Steps(Making.Extract, 35.0 / 60, loads: 4).Single(s => s.Id == "source");
        (Math.Round(four.Minutes, 9), four.Detail).ShouldBe((35,
            $"4 loads of 500 mL of {compost}, a fresh one each time; dunk and squeeze each gently for 1 to 2 minutes."));
    }

    [Fact]
    public void Bubbled_and_steeped_in_their_own_words()
    {
        PlanAmount[] foods = [new("kelp", "kelp", 0.01, true, 1), new("kelp", "kelp", 0.01, true, 1, 6)];
        var compost = Ingredients.Source("compost")!.Name;
        var bubbled = Steps(Making.Bubbled, 3.5, race: Race, foods: foods);
        bubbled.Single(s => s.Id == "source").Detail.ShouldBe($"2 L of {compost} in the bag, hung in the rising air; no food.");
        bubbled.ShouldContain(s => s.Id == "air-off");
        bubbled.ShouldNotContain(s => s.Id.StartsWith('f') && s.Id != "fill"); // only a tea is fed
        bubbled.Single(s => s.Id == "fill").Detail.ShouldEndWith("; air on.");
        var steeped = Steps(Making.Steep, 48, race: Race, foods: foods[..1]);
        steeped.Single(s => s.Id == "source").Detail.ShouldBe($"2 L of {compost} loose in the water, with 10 mL kelp, lid on loosely, no "
            + "air; label it as a feed.");
        steeped.Single(s => s.Id == "check").Detail.ShouldBe("Smell it; label it as a feed.");
        steeped.Single(s => s.Id == "fill").Detail.ShouldBe("60 L of water.");
        steeped.ShouldNotContain(s => s.Id == "air-off");
        steeped.Single(s => s.Id == "sprayer").Detail.ShouldBe("Sprayer clean, strainer in; the thinning water’s strip at zero.");
    }

    [Theory]
    [InlineData(Making.Tea, 249, "249 L of water; air on.")]
    [InlineData(Making.Tea, 250, "250 L of water; air on. Bubble it 45 to 60 min first; pump, do not lift.")]
    [InlineData(Making.Steep, 250, "250 L of water. Pump, do not lift.")]
    [InlineData(Making.Extract, 300, "300 L of water. Pump, do not lift.")]
    [InlineData(Making.Extract, 249, "249 L of water.")]
    public void Much_water_is_pumped(Making making, double litres, string says)
    {
        var fill = Steps(making, 1, litres).Single(s => s.Id == "fill");
        (fill.Detail, fill.Minutes).ShouldBe((says, 5 + (litres / 12)));
    }

    [Fact]
    public void A_strip_alone_takes_its_five_minutes_and_clocks_are_the_holdings()
    {
        var timing = new PlanTiming(UseAt, UseAt.AddHours(-30), 60, 0, 0, null, Making.Tea, UnitSystem.Metric,
            at => at.ToOffset(TimeSpan.FromHours(2)));
        var thinning = timing.Steps(24, 60, None, (90, None), "leafmould", 2, [], 1, [], "source-first").Single(s => s.Id == "thinning");
        Said(thinning).ShouldBe(("thinning", "3 05:42:00", 5));
        timing.WaitMinutes.ShouldBe(23);
        timing.ClockHour(UseAt.AddMinutes(30)).ShouldBe(8.5);
        timing.Clock(UseAt).ShouldBe("08:00 on 3 May");
        timing.UseAt.ShouldBe(UseAt);
        timing.StartFor(24).ShouldBe(UseAt.AddHours(-24).AddMinutes(-25)); // to five minutes, and never late
    }
}
