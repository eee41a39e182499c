using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;

namespace MudPie.Core.Tests.Workings;

/// <summary>US customary holds on every line of what is said, rates, depths, winds and money on ground included.</summary>
public sealed class UnitsOnEveryLineTests
{
    // What no sentence to such a holding may hold: litres, metres, hectares, °C, kPa. (mg/L and mL of stock strength are the field's own
    // words everywhere.)
    private static readonly System.Text.RegularExpressions.Regex Metric =
        new(@"\d\s?(L|mL|L/min|m²|ha|mm|cm|m|m/s|°C|kPa|hectare)\b|hectare|100 m²", System.Text.RegularExpressions.RegexOptions.None,
            System.Text.RegularExpressions.Regex.InfiniteMatchTimeout);

    private static void Speaks(params IEnumerable<string> sentences)
    {
        foreach (var s in sentences)
        {
            Metric.IsMatch(s.Replace("mg/L", "", StringComparison.Ordinal)).ShouldBeFalse(s);
        }
    }

    [Fact]
    public void Figures_over_ground_depths_and_winds_are_those_of_the_handbook()
    {
        Per.Large(300, Dimension.Volume, UnitSystem.UsCustomary).ShouldBe("32.1 gal an acre"); // 300 ÷ 3.785411784 × 0.40468564
        Per.Small(10, Dimension.Volume, UnitSystem.UsCustomary).ShouldBe("2.45 gal on 1,000 sq ft");
        Per.Small(12.92, UnitSystem.UsCustomary).ShouldBe(12.003, 1e-3);
        Per.Depth(10, UnitSystem.UsCustomary).ShouldBe("0.39 in");
        Per.Wind(6, UnitSystem.UsCustomary).ShouldBe("13 mph");
        Per.Centimetres(7, UnitSystem.UsCustomary).ShouldBe("2.8 in");
        (Per.Large(300, Dimension.Volume, UnitSystem.Metric), Per.Depth(10, UnitSystem.Metric),
            Per.Wind(6, UnitSystem.Metric)).ShouldBe(("300 L a hectare", "10 mm", "6 m/s"));
    }

    [Theory]
    [InlineData("500", UnitSystem.Metric, 500)]
    [InlineData("500 L/ha", UnitSystem.UsCustomary, 500)]
    [InlineData("50 gal/acre", UnitSystem.UsCustomary, 467.7)]
    [InlineData("50 us gal/acre", UnitSystem.Metric, 467.7)]
    [InlineData("5 L/100 m²", UnitSystem.Metric, 500)]
    [InlineData("1 L/m2", UnitSystem.Metric, 10_000)]
    public void Rates_on_ground_are_read_in_the_words_that_growers_use(string typed, UnitSystem units, double litresPerHa) =>
        AmountText.Read("rate", typed, Dimension.AreaRate, units).Value.Si.ShouldBe(litresPerHa, 0.05);

    [Fact]
    public void A_bare_rate_in_a_us_holding_is_asked_about()
    {
        var refused = AmountText.Read("rate", "50", Dimension.AreaRate, UnitSystem.UsCustomary).Refused!.Problems[0];
        refused.Wrong.ShouldContain("50 L/ha");
        refused.Wrong.ShouldContain("50 gal/acre");
    }

    [Fact]
    public void A_gallon_on_an_acre_is_not_guessed_at_in_a_metric_holding() =>
        AmountText.Read("rate", "50 gal/acre", Dimension.AreaRate, UnitSystem.Metric).Refused!.Problems[0].Field.ShouldBe("rate");

    [Fact]
    public void Schools_remedies_patches_marks_and_waters_speak_it()
    {
        var us = UnitSystem.UsCustomary;
        var bucket = new BrewQuestion {
            VolumeL = 19, DepthM = 0.3, Diffuser = "airStone", AirLpm = 6, TemperatureC = 20, Hours = 24,
            Sources = [new SourceAmount { Kind = "compost", Litres = 1.2 }], Foods = [new FoodAmount { Kind = "molasses", Ml = 60 }]
        };
        Speaks(BrewSchools.Of(bucket, 24, Bias.Balanced, us).Value.SelectMany(r => new[] { r.Recipe, r.AirShown, r.Why }));
        Speaks(BrewWhatIf.Of(bucket, [new WhatIf { Kind = "cooler", Amount = 5 }, new WhatIf { Kind = "moreFood", Amount = 20 }],
            units: us).Value.Select(c => c.Name));
        var watch = BrewWatch.Of(new WatchQuestion {
            Brew = bucket,
            Seen = new BrewSeen { IsTea = true, NowH = 5, StripMgPerL = 0, Oxygen = [new(2, 8), new(5, 6.4)] }, UseAtH = 24,
            StartedAt = DateTimeOffset.UnixEpoch, Members = 100, Units = us
        }, at => at).Value;
        watch.Remedies.ShouldContain(r => r.What == "Move it 9 °F cooler, now");
        Speaks(Core.Judging.PatchDose.Of(5000, "mL", 1, 100, us).Value.Sentence,
            Core.Judging.PatchDose.Of(300_000, "g", 2, 200, us).Value.Sentence);
        var past = Enumerable.Range(0, 12)
            .Select(i => new PastBrew(i, i < 4, i < 4 ? 24 : 12, i < 4 ? 0.1 : 0.5, i < 4 ? 1 : 0.1, false, 24, true, true, 3)).ToList();
        Speaks(LookingBack.Of(past, us).Select(w => w.Name));
        WaterClearing.About("humic", us).Note.ShouldStartWith("about 0.77 fl oz per gallon"); // 6 × 3.785411784 ÷ 29.5735295625
        WaterClearing.About("humic").Note.ShouldStartWith("about 6 mL per litre");
    }

    [Theory]
    [InlineData("180 L of water; air on.", UnitSystem.UsCustomary, "47.6 gal of water; air on.")]
    [InlineData("12 °C, wind 1.9 m/s, dry", UnitSystem.UsCustomary, "53.6 °F, wind 4.3 mph, dry")]
    [InlineData("air 44.3 L/min; 10.5 mg of ascorbic acid; strip 0.5 mg/L", UnitSystem.UsCustomary,
        "air 1.56 cfm; 10.5 mg of ascorbic acid; strip 0.5 mg/L")]
    [InlineData("1,020 L in a vessel of its own, 6 mL/L", UnitSystem.UsCustomary, "269 gal in a vessel of its own, 6 mL/L")]
    [InlineData("47.6 gal of water at 64 °F", UnitSystem.Metric, "180 L of water at 17.8 °C")]
    [InlineData("180 L of water", UnitSystem.MetricUsGallons, "180 L of water")]
    [InlineData("Bed 12 Left, 3 Lots", UnitSystem.UsCustomary, "Bed 12 Left, 3 Lots")]
    public void A_sentence_written_in_other_units_is_said_in_these(string written, UnitSystem units, string said) =>
        InUnits.Say(written, units).ShouldBe(said);

    [Theory]
    [InlineData(1.79, "mL", UnitSystem.Metric, "1.79 mL")]
    [InlineData(2500, "mL", UnitSystem.Metric, "2.5 L")]
    [InlineData(2_115_142, "g", UnitSystem.Metric, "2115 kg")]
    [InlineData(30, "mL", UnitSystem.UsCustomary, "1.01 fl oz")]
    [InlineData(1200, "g", UnitSystem.UsCustomary, "2.65 lb")]
    public void A_dose_is_said_in_what_it_would_be_weighed_in(double amount, string unit, UnitSystem units, string shown) =>
        Per.Product(amount, unit, units).ShouldBe(shown);

    [Theory]
    [InlineData(9.40, "L", UnitSystem.UsCustomary, "35.58 a gallon")]
    [InlineData(1.80, "kg", UnitSystem.UsCustomary, "0.82 a pound")]
    [InlineData(9.40, "L", UnitSystem.Metric, "9.40 a litre")]
    [InlineData(1.80, "kg", UnitSystem.Metric, "1.80 a kilo")]
    public void A_price_is_of_what_the_holding_buys_by_and_comes_back_as_it_was(double si, string unit, UnitSystem units, string shown)
    {
        Per.PriceShown(si, unit, units).ShouldBe(shown);
        Per.PriceSi(Per.Price(si, unit, units), unit, units).ShouldBe(si, 1e-12);
    }

    [Theory]
    [InlineData(3.0, "mulch")]
    [InlineData(400.0, "none")]
    [InlineData(0.5, "residue")]
    public void The_tank_speaks_it(double brewPer100M2, string waiting)
    {
        var q = new TankJobQuestion {
            Units = UnitSystem.UsCustomary, Purpose = Purpose.Root, TankL = 15, BrewL = 200,
            BrewPer100M2 = brewPer100M2, Dilution = "1:1", FoodWaiting = waiting, Beds = [new JobBed { Name = "river bed", AreaM2 = 40 }]
        };
        var a = TankJob.Of(q);
        Speaks([a.Value.Verdict.Sentence, a.Value.Verdict.Why, .. a.Worked.Cautions.Select(c => c.Text),
            .. a.Worked.Forks.SelectMany(f => f.Schools.SelectMany(s => new[] { s.Name, s.Gives }).Append(f.Why))]);
    }

    [Fact]
    public void The_race_the_windows_the_sprayer_and_the_benches_speak_it()
    {
        var slow = new RaceFacts {
            Units = UnitSystem.UsCustomary, BrewL = 300, MixL = 1800, GraceMinutes = 60, AirOffAtMin = 0,
            Kit = new RaceKit { Kind = "boom", TankL = 400, FlowLpm = 30, DrawLpm = 40 }
        };
        var race = PutOutRace.For(slow).Value;
        Speaks([race.Verdict.Sentence, race.Verdict.Why, .. race.Saves]);
        race.Saves.ShouldContain(s => s.Contains("gal", StringComparison.Ordinal));
        Speaks(PutOutRace.For(slow with { Kit = new RaceKit { TankL = 1, Kind = "can" } }).Refused!.Problems.Select(p => p.Wrong));
        Core.Almanac.WeatherHour Hour(int h, double c, double wind, double rain) =>
            new(new DateTimeOffset(2026, 6, 10, h, 0, 0, TimeSpan.Zero), c, wind, rain, 0.2, 0.6, 9, false);
        var windows = SprayWindows.Of(new WindowsQuestion {
            Units = UnitSystem.UsCustomary, Purpose = Purpose.Leaf,
            From = new DateTimeOffset(2026, 6, 10, 0, 0, 0, TimeSpan.Zero), Hours = 24, Latitude = 47.5, Longitude = 8.5,
            Weather = [Hour(3, 16, 2, 0), Hour(4, 5, 6, 0), Hour(5, 30, 0.5, 3), Hour(18, 12, 3.5, 0), Hour(19, 1, 2, 0)]
        }).Value;
        Speaks([windows.Verdict.Why, .. windows.Windows.Select(w => w.Sentence),
            .. windows.Hours.SelectMany(h => h.Spoils.Concat(h.Minds).Append(h.WeatherShown))]);
        Speaks(SprayerRate.Of(new SprayerQuestion { Units = UnitSystem.UsCustomary, UsedL = 1, SquareM2 = 20 }).Value.Sentence);
        Speaks(InjectorStock.Of(100, 1, 500, 10, false, "mL", UnitSystem.UsCustomary).Value.Verdict.Sentence.Replace(" mL", "",
            StringComparison.Ordinal));
        var air = AirBench.Of(new AirBenchQuestion {
            Units = UnitSystem.UsCustomary, VolumeL = 17, Brew = AirBench.UsualBrew(17),
            Pumps = [new BenchPump { Name = "pump", OpenLpm = 6, ShutOffKPa = 20 }],
            Outlets = [new BenchOutlet { Name = "stone", Diffuser = "airStone", DepthM = 0.3, Share = 1, HoseM = 1, HoseMm = 5 }]
        }).Value;
        Speaks(air.Verdict.Sentence, air.Verdict.Why);
        var water = WaterBench.Of([new WaterPart { Name = "mains", Kind = WaterKind.Mains, Litres = 60, ChlorineMgPerL = 0.6 }],
            units: UnitSystem.UsCustomary).Value.Verdict;
        Speaks(water.Sentence, water.Why);
        Speaks(Drench.Says(0.1, UnitSystem.UsCustomary), Drench.Says(10, UnitSystem.UsCustomary), Drench.Says(60, UnitSystem.UsCustomary));
    }
}
