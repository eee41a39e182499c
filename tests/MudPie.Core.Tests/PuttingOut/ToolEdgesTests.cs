using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.PuttingOut;

/// <summary>Sprayers, cans, injectors and bottles at their limits.</summary>
public sealed class ToolEdgesTests
{
    private static readonly SprayerFacts Good = new() { Kind = "knapsack", Past = "biology", CalibratedDaysAgo = 10 };

    private static Worked<SprayerRuling> Judge(SprayerFacts s) => Sprayers.Judge(s).Worked;

    [Theory]
    [InlineData("new", true, Tone.Go, "Kept for biology: use it.")]
    [InlineData("biology", true, Tone.Go, "Kept for biology: use it.")]
    [InlineData("fertiliser", true, Tone.Go, "It may be used.")]
    [InlineData("poison", false, Tone.Stop, "Not this one: it has held weed-killer or pesticide.")]
    [InlineData("unknown", false, Tone.Stop, "Not this one: nobody knows what it has held.")]
    public void What_a_sprayer_ever_held_decides(string past, bool allowed, Tone tone, string says)
    {
        var ruling = Judge(Good with { Past = past });
        (ruling.Value.Allowed, ruling.Value.Verdict.Tone, ruling.Value.Verdict.Sentence).ShouldBe((allowed, tone, says));
        ruling.Cautions.Any(c => c.Id == "sprayer-past").ShouldBe(!allowed);
        ruling.Working[0].Result.ShouldBe(allowed ? "may be used" : "refused");
    }

    [Theory]
    [InlineData("ten signs.", true)]
    [InlineData(" nine sgn ", false)]
    [InlineData(null, false)]
    public void A_reason_that_clears_it_is_at_least_ten_letters(string? why, bool allowed)
    {
        var ruling = Judge(Good with { Past = "poison", ClearedWhy = why }).Value;
        ruling.Allowed.ShouldBe(allowed);
        (ruling.Verdict.Why == "Cleared: ten signs.").ShouldBe(allowed);
    }

    [Theory]
    [InlineData(200.0, null, 10.0, false, null)]
    [InlineData(199.0, null, 10.0, false, "Its mesh of 199 µm passes bacteria and protozoa")]
    [InlineData(null, 3.0, 10.0, false, null)]
    [InlineData(null, 3.1, 10.0, false, "At 3.1 bar drops are fine")]
    [InlineData(null, null, 180.0, false, null)]
    [InlineData(null, null, 181.0, false, "Its calibration is 181 days old, and due again after 180.")]
    [InlineData(null, null, null, false, "It was never calibrated")]
    [InlineData(null, null, 10.0, true, "It has not been washed up")]
    public void What_there_is_to_mind(double? mesh, double? bar, double? days, bool unwashed, string? says)
    {
        var ruling = Judge(Good with { MeshUm = mesh, PressureBar = bar, CalibratedDaysAgo = days, Unwashed = unwashed }).Value;
        ruling.Minds.Count.ShouldBe(says is null ? 0 : 1);
        ruling.Verdict.Tone.ShouldBe(says is null ? Tone.Go : Tone.Mind);
        (says is null ? "" : ruling.Verdict.Why).ShouldStartWith(says ?? "");
    }

    [Theory]
    [InlineData("boom", 90)]
    [InlineData("injector", 180)]
    [InlineData("can", 365)]
    [InlineData("knapsack", 180)]
    public void Calibrations_last_so_many_days(string kind, int days) => Sprayers.CalibrateEveryDays(kind).ShouldBe(days);

    [Theory]
    [InlineData(74, "holds back most")]
    [InlineData(75, "holds back nematodes and threads, and clogs")]
    [InlineData(149, "holds back nematodes and threads, and clogs")]
    [InlineData(150, "passes bacteria and protozoa; most nematodes")]
    [InlineData(199, "passes bacteria and protozoa; most nematodes")]
    [InlineData(200, "passes bacteria, protozoa and most nematodes")]
    [InlineData(399, "passes bacteria, protozoa and most nematodes")]
    [InlineData(400, "passes long threads too")]
    public void What_a_mesh_holds_back(double um, string says) => Sprayers.MeshSays(um).ShouldStartWith(says);

    [Fact]
    public void A_sprayer_that_is_not_told_is_asked_about_field_by_field()
    {
        static IEnumerable<string> Fields(SprayerFacts s) => Sprayers.Judge(s).Refused!.Problems.Select(p => p.Field);
        Fields(new SprayerFacts()).ShouldBe(["kind", "past"]);
        Fields(Good with { MeshUm = 5, PressureBar = 41 }).ShouldBe(["meshUm", "pressureBar"]);
        Sprayers.MeshUm(9).Refused!.Problems.Single().Field.ShouldBe("mesh");
        Sprayers.MeshUm(50).Value.ShouldBe(300, 1e-9);
        Judge(Good).Working[1].Result.ShouldBe("look for it: in the lance, the nozzle and the lid");
        foreach (var kind in new[] { "can", "boom", "injector", "other" })
        {
            Judge(Good with { Kind = kind }).Value.Allowed.ShouldBeTrue();
        }
    }

    [Fact]
    public void A_can_by_the_clock()
    {
        var can = WateringCan.Of(10, 40, 25).Worked;
        (can.Value.LPerSecond, can.Value.Seconds, can.Value.Cans).ShouldBe((0.25, 100, 2.5));
        can.Value.Sentence.ShouldBe("100 s over the bed, 2.5 cans.");
        WateringCan.Of(10, 40, 10).Value.Sentence.ShouldBe("40 s over the bed, 1 can.");
        WateringCan.Of(0, 1, 0).Refused!.Problems.Select(p => p.Field).ShouldBe(["canL", "emptiesInS", "wantedL"]);
        can.Working.Select(w => w.Result).ShouldBe(["0.25 L/s", "100 s"]);
    }

    [Fact]
    public void A_sprayers_rate_by_nozzle_and_by_a_square()
    {
        var nozzle = SprayerRate.Of(new SprayerQuestion { NozzleLPerMin = 0.8, SpeedKmPerH = 6, SpacingM = 0.5 }).Worked;
        (nozzle.Value.LPerHa, nozzle.Value.LPer100M2, nozzle.Sure).ShouldBe((160, 1.6, Evidence.ChemistryOrPhysics));
        var square = SprayerRate.Of(new SprayerQuestion { UsedL = 0.75 }).Worked;
        (square.Value.LPerHa, square.Sure, square.Working.Single().Result).ShouldBe((300, Evidence.MeasuredHere, "300 L/ha"));
        SprayerRate.Of(new SprayerQuestion { UsedL = 3, SquareM2 = 50 }).Value.LPerHa.ShouldBe(600, 1e-9);
        SprayerRate.Of(new SprayerQuestion { UsedL = 99, SquareM2 = 0 }).Refused!.Problems.Select(p => p.Field)
            .ShouldBe(["usedL", "squareM2"]);
        SprayerRate.Of(new SprayerQuestion()).Refused!.Problems.Select(p => p.Field)
            .ShouldBe(["nozzleLPerMin", "speedKmPerH", "spacingM"]);
    }

    [Theory]
    [InlineData("can", 10)]
    [InlineData("boom", 30)]
    [InlineData("injector", 20)]
    [InlineData("other", 5)]
    [InlineData("knapsack", 1.5)]
    public void What_usually_comes_out(string kind, double lpm) => PutOutRace.UsualFlow(kind).ShouldBe(lpm);

    [Theory]
    [InlineData(59, 12)]
    [InlineData(60, 25)]
    [InlineData(249, 25)]
    [InlineData(250, 60)]
    public void What_a_tap_or_pump_usually_gives(double brewL, double lpm) => PutOutRace.UsualDraw(brewL).ShouldBe(lpm);

    [Theory]
    [InlineData(0.9, "0.9 mm wets the skin")]
    [InlineData(1, "1 mm wets moist ground about 0.67 cm deep (by texture), the top of the roots")]
    [InlineData(5, "5 mm wets moist ground about 3.3 cm deep (by texture), an ordinary watering")]
    [InlineData(25, "25 mm wets moist ground")]
    [InlineData(25.1, "25 mm is 17 cm deep, more than an ordinary watering")]
    public void What_a_depth_of_water_does(double mm, string says) => Drench.Says(mm).ShouldStartWith(says);

    private static readonly InoculantQuestion Bottle = new() {
        Target = 1e6, Per = "plant", Count = 240, LabelCount = 2e8, LabelPer = "mL", ViableShare = 0.5,
    };

    [Theory]
    [InlineData("plant", 1, "2.5 mL for 1 plant.")]
    [InlineData("plant", 2, "5 mL for 2 plants.")]
    [InlineData("litre", 1, "2.5 mL for 1 litre of feed.")]
    [InlineData("litre", 2, "5 mL for 2 litres of feed.")]
    [InlineData("m2", 2, "5 mL for 2 m².")]
    [InlineData("kgSeed", 2, "5 mL for 2 kg of seed.")]
    [InlineData("ha", 2, "5 mL for 2 ha.")]
    [InlineData("gallon", 2, "5 mL for 2 gallons of feed.")]
    [InlineData("ft2", 2, "5 mL for 2 sq ft.")]
    [InlineData("lbSeed", 2, "5 mL for 2 lb of seed.")]
    [InlineData("acre", 1, "2.5 mL for 1 acre.")]
    [InlineData("acre", 2, "5 mL for 2 acres.")]
    public void A_bottles_dose_in_a_sentence(string per, double count, string says) =>
        InoculantDose.Of(Bottle with { Per = per, Count = count, Target = 2.5e8 }).Value.Sentence.ShouldBe(says);

    [Fact]
    public void The_labels_own_dose_and_the_price_stand_beside_it()
    {
        var a = InoculantDose.Of(Bottle with { LabelDose = 0.02, Price = 60 }).Worked;
        a.Value.Sentence.ShouldBe("2.4 mL for 240 plants. The label's own dose comes to 4.8 mL, 200 % of that.");
        (a.Value.Organisms, a.Value.ViableShare, a.Value.CostPer1E9).ShouldBe((2.4e8, 0.5, 0.6));
        a.Sure.ShouldBe(Evidence.ChemistryOrPhysics);
        a.Cautions.Single().Id.ShouldBe("label-is-law");
        InoculantDose.Of(Bottle with { Price = 0 }).Value.CostPer1E9.ShouldBeNull();
        (InoculantDose.Of(Bottle).Value.ByLabel, InoculantDose.Of(Bottle).Value.CostPer1E9).ShouldBe((null, null));
    }

    [Fact]
    public void What_still_lives_is_taken_as_given_worked_out_or_all_of_it()
    {
        var old = Bottle with { ViableShare = null, Kind = LifeForm.Living, AgeDays = 90 };
        InoculantDose.Of(old).Value.ViableShare.ShouldBe(0.5, 1e-12); // at 20 °C where nothing is said
        InoculantDose.Of(old).Worked.Sure.ShouldBe(Evidence.PractitionersRule);
        InoculantDose.Of(old with { ViableShare = 0.25 }).Value.ViableShare.ShouldBe(0.25);
        InoculantDose.Of(old with { ViableShare = 0.25 }).Worked.Working[1].Figures.ShouldBe("as given");
        InoculantDose.Of(old with { AgeDays = null }).Value.ViableShare.ShouldBe(1, 1e-12); // made today
        InoculantDose.Of(Bottle with { ViableShare = null }).Value.ViableShare.ShouldBe(1); // nothing known of it
        InoculantDose.Viable(LifeForm.Propagules, 500, 20).ShouldBe(0.5, 1e-12);
        InoculantDose.Viable(LifeForm.Spores, 2500, 20).ShouldBe(0.5, 1e-12);
        InoculantDose.Viable(LifeForm.Living, 90, 30).ShouldBe(0.25, 1e-12);
    }

    [Fact]
    public void A_bottle_that_is_not_told_is_asked_about_field_by_field()
    {
        static IEnumerable<string> Fields(InoculantQuestion q) => InoculantDose.Of(q).Refused!.Problems.Select(p => p.Field);
        Fields(new InoculantQuestion()).ShouldBe(["target", "count", "labelCount", "per", "labelPer"]);
        Fields(Bottle with { ViableShare = 0 }).ShouldBe(["viableShare"]);
        Fields(Bottle with { ViableShare = null, AgeDays = 10 }).ShouldBe(["kind"]);
        Fields(Bottle with { ViableShare = null, Kind = LifeForm.Living, AgeDays = 4000, KeptC = 51 }).ShouldBe(["ageDays", "keptC"]);
        Fields(Bottle with { ViableShare = 0.00009 }).ShouldBe(["ageDays"]);
        InoculantDose.Of(Bottle with { ViableShare = 0.0001 }).Refused.ShouldBeNull();
    }

    [Theory]
    [InlineData(6.0, 480.0, Tone.Go, false)] // 1.33 h
    [InlineData(6.0, 17_280.0, Tone.Go, false)] // just 48 h
    [InlineData(6.0, 17_400.0, Tone.Stop, false)]
    [InlineData(6.0, 8_640.0, Tone.Go, true)] // just 24 h
    [InlineData(6.0, 8_700.0, Tone.Stop, true)]
    [InlineData(null, 900_000.0, Tone.Go, true)] // no flow, no hours
    public void A_stock_lives_a_day_with_feeds_and_two_without(double? flow, double feedL, Tone tone, bool withFeeds)
    {
        var a = InjectorStock.Of(100, 0.2, feedL, flow, withFeeds, "mL").Value;
        a.Verdict.Tone.ShouldBe(tone);
        a.Hours.ShouldBe(flow is null ? null : feedL / 6 / 60);
        a.Verdict.Why.ShouldContain(withFeeds ? "24 h" : "48 h");
    }

    [Fact]
    public void An_injectors_stock_in_words_and_what_it_cannot_be()
    {
        var a = InjectorStock.Of(100, 0.2, 500, unit: "mL").Worked;
        (a.Value.Verdict.Sentence, a.Value.Verdict.Why).ShouldBe(("5 L of stock, 20 mL in each litre.",
            "100 mL in all. Shake the bottle first: spores settle. Use it within 48 h."));
        a.Working.Count.ShouldBe(2);
        InjectorStock.Of(100, 0.2, 500, 6).Worked.Working.Count.ShouldBe(3);
        InjectorStock.Of(100, 10, 500).Refused.ShouldBeNull(); // neat
        InjectorStock.Of(0, 0, 0, 0).Refused!.Problems.Select(p => p.Field).ShouldBe(["ratio", "dosePerL", "feedL", "flowLPerMin"]);
    }

    private static DoseQuestion Seaweed => new() {
        Kind = Biostimulants.Find("seaweed"), Purpose = Purpose.Leaf, AreaM2 = 20_000, MixLPerHa = 500,
    };

    private static LabelRate Label(string text) => LabelRates.Read(text, true).Value[0];

    [Fact]
    public void One_dose_says_whose_it_is_how_it_is_worked_out_and_what_the_tank_is_told()
    {
        var label = Doses.Of(Seaweed with { Label = Label("4 to 6 L/ha") });
        (label.ProductL, label.OneIn, label.Tank(UnitSystem.Metric).Rate, label.Formula).ShouldBe((10, 100,
            "5000 mL", "label: 4 to 6 L/ha"));
        var own = Doses.Of(Seaweed with { OwnOneIn = 250 });
        (own.ProductL, own.OneIn, own.Tank(UnitSystem.Metric).Rate, own.Formula).ShouldBe((4, 250, "1 in 250", "mix ÷ 250"));
        var table = Doses.Of(Seaweed);
        (table.ProductL, table.OneIn, table.Tank(UnitSystem.Metric).Rate, table.Formula).ShouldBe((4, 250, "2000 mL", "2 L/ha × area"));
        table.Tank(UnitSystem.UsCustomary).ShouldBe(("27.3681 fl oz", "perAcre")); // 2,000 mL × 0.404686 ÷ 29.5735
    }

    [Fact]
    public void A_label_that_does_not_fit_ground_gives_way_and_nothing_known_is_nothing()
    {
        Doses.Of(Seaweed with { Label = Label("20 ml per kg of seed"), OwnOneIn = 250 }).Whose.ShouldBe("your own rate");
        Doses.Of(Seaweed with { Label = Label("5 mL per plant") }).Whose.ShouldBe("the table"); // plants are not known
        Doses.Of(Seaweed with { Label = Label("5 mL per plant"), Plants = 400 }).ProductL.ShouldBe(2, 1e-9);
        var none = Doses.Of(Seaweed with { Kind = null });
        (none.ProductL, none.OneIn, none.Whose).ShouldBe((0, 1, "the table"));
        Doses.Of(Seaweed with { MixLPerHa = 1 }).OneIn.ShouldBe(1); // less mix than product: neat
        Doses.Of(Seaweed with { MixLPerHa = 1, Label = Label("5 L/ha") }).OneIn.ShouldBe(1);
    }

    [Fact]
    public void Dilutions_at_their_limits()
    {
        Dilutions.Read("1 in 10000").Value.OneIn.ShouldBe(10_000, 1e-9);
        Dilutions.Read("1 in 10001").Refused.ShouldNotBeNull();
        Dilutions.Read("1:9999").Value.OneIn.ShouldBe(10_000, 1e-9);
        Dilutions.Read("neat").Value.BothWays.ShouldBe("neat, no water (1 in 1)");
        Dilutions.Read("2 tea to 3 water").Value.BothWays.ShouldBe("2 parts tea + 3 parts water (1 in 2.5)");
        Dilutions.Read(new string('1', 81)).Refused!.Problems.Single().Wrong.ShouldBe("That is too long for a dilution.");
        Dilutions.Read($"1:5{new string(' ', 90)}").Value.OneIn.ShouldBe(6); // what is trimmed is not counted
        Dilutions.Read("undiluted").Value.OneIn.ShouldBe(1);
        Dilutions.Read("Straight").Value.OneIn.ShouldBe(1);
        Dilutions.Read("3:3").Value.OneIn.ShouldBe(2);
        Dilutions.Read("1 / 5 brew").Value.OneIn.ShouldBe(6);
        Dilutions.Read("1 brew : 5").Value.OneIn.ShouldBe(6);
        Dilutions.Read("5 water : 1").Value.OneIn.ShouldBe(6);
    }

    [Fact]
    public void A_total_that_is_split_is_split_in_the_sum_too()
    {
        var split = Dilutions.Split("1:5", 12).Worked;
        split.Working.Select(w => w.Result).ShouldBe(["1 in 6", "2 L", "10 L"]);
        var alone = Dilutions.Split("1:5", null).Worked;
        (alone.Value.TeaL, alone.Value.WaterL, alone.Value.OneIn, alone.Value.BothWays)
            .ShouldBe((null, null, 6, "1 part tea + 5 parts water (1 in 6)"));
        alone.Working.Count.ShouldBe(1);
        Dilutions.Split("weak", 0).Refused!.Problems.Select(p => p.Field).ShouldBe(["parts", "totalL"]);
    }
}
