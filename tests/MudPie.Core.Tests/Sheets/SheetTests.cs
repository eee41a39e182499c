using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Core.Sheets;
using MudPie.Core.Workings;
using MudPie.Core.Works;

namespace MudPie.Core.Tests.Sheets;

/// <summary>A lab's sheet: read, converted, judged against bands, met from the shelf.</summary>
public sealed class SheetTests
{
    private static readonly ShelfInput[] Shelf =
    [
        new(1, "gypsum", 0.35, null, 0, 0, 0), new(2, "potassium sulphate", 1.5, null, 0, 0, 0.5), new(3, "feather meal", 1.3, null, 0.13,
            0.003, 0),
        new(4, "Rootbank spores", 20, null, null, null, null),
    ];

    private static SheetRow Row(string of, string value, string unit = "mg/kg", Extraction? method = null) =>
        new() { Of = of, Value = value, Unit = unit, Method = method };

    private static SheetAsked Asked(params SheetRow[] rows) => new() {
        Name = "ridge", For = SheetOf.Bed, Size = "36 m2", Method = Extraction.Mehlich3, Depth = "15 cm", Density = "1.3",
        Crop = CropGroup.Vegetables, Rows = rows, Inputs = [new() { InputId = 1 }, new() { InputId = 2 }],
    };

    private static Ruling<SheetAnswer> Of(SheetAsked r, double? lotL = null) => SheetBench.Of(r, Shelf, null, lotL, UnitSystem.Metric);

    private static SheetRead Read(SheetAsked r)
    {
        var fields = new TypedFields(UnitSystem.Metric);
        return SheetReading.Of(r, fields).ShouldNotBeNull();
    }

    private static Dictionary<string, string> Wrong(SheetAsked r) => Of(r).Refused.ShouldNotBeNull().Problems.GroupBy(p => p.Field)
        .ToDictionary(p => p.Key, p => p.First().Wrong);

    [Theory]
    [InlineData("P 18 ppm", "P", "18", "mg/kg")]
    [InlineData("Phosphorus (P); 18; ppm", "P", "18", "mg/kg")]
    [InlineData("Phosphorus (Mehlich-3),64,mg/kg", "P", "64", "mg/kg")]
    [InlineData("Potassium\t0.31\tmeq/100 g", "K", "0.31", "meq/100 g")]
    [InlineData("Calcium 6.2 cmol(+)/kg", "Ca", "6.2", "meq/100 g")]
    [InlineData("Zn <0.5 mg/kg low", "Zn", "<0.5", "mg/kg")]
    [InlineData("Mn above range ppm", "Mn", "above range", "mg/kg")]
    [InlineData("pH (1:1) 6.2", "pH", "6.2", "")]
    [InlineData("Buffer pH 6.4", "buffer pH", "6.4", "")]
    [InlineData("Organic matter: 3.4 %", "OM", "3.4", "%")]
    [InlineData("Mg 22 lbs/acre", "Mg", "22", "lb/ac")]
    [InlineData("\"Sulfur\",\"9,5\",\"mg/kg\"", "S", "9,5", "mg/kg")]
    [InlineData("NO3-N 12 mg/L", "NO3-N", "12", "mg/L")]
    public void A_pasted_line_is_read(string line, string of, string value, string unit)
    {
        var row = SheetText.Read(line).Value.Rows.ShouldHaveSingleItem();
        (row.Of, row.Value, row.Unit).ShouldBe((of, value, unit));
    }

    [Fact]
    public void All_that_is_pasted_reads_again_as_it_was_taken()
    {
        foreach (var one in Nutrients.All)
        {
            var row = SheetText.Read($"{one.Words[0]} 2 ppm").Value.Rows.ShouldHaveSingleItem();
            Nutrients.Read(row.Of!).ShouldNotBeNull().Of.Id.ShouldBe(one.Id);
        }
    }

    [Fact]
    public void A_line_that_names_its_extraction_keeps_it_and_shares_of_the_exchange_are_no_contents()
    {
        SheetText.Read("Phosphorus, Bray P1 22 ppm\nZinc (DTPA) 0.9 ppm\nK 96 ppm").Value.Rows.Select(r => r.Method)
            .ShouldBe([Extraction.Bray1, Extraction.Dtpa, null]);
        SheetText.Read("K 96 ppm\nK 5.2 % of CEC").Value.Left.ShouldBe(["K 5.2 % of CEC"]);
        Wrong(Asked(Row("K", "5.2", "%")))["rows[0].unit"].ShouldContain("share of the exchange");
        var bray = Read(Asked(SheetText.Read("Phosphorus, Bray P1 22 ppm").Value.Rows[0])).Lines[0];
        bray.Method.ShouldBe(Extraction.Bray1);
    }

    [Fact]
    public void What_is_not_known_is_left_and_said()
    {
        var read = SheetText.Read("Report 2026\nNutrient;Result;Unit\nSand 40 %\nP2O5 45 mg/kg\nK 90 ppm\n").Value;
        read.Rows.Select(r => r.Of).ShouldBe(["P2O5", "K"]);
        read.Left.ShouldBe(["Report 2026", "Nutrient;Result;Unit", "Sand 40 %"]);
        SheetText.Read("").Refused.ShouldNotBeNull();
        SheetText.Read("nothing of it").Refused!.Problems[0].Field.ShouldBe("text");
        SheetText.Read(new string('P', 30_000)).Refused.ShouldNotBeNull();
    }

    [Theory]
    [InlineData("K", "0.3", "meq/100 g", 117.294)]
    [InlineData("Ca", "6", "cmol(+)/kg", 1202.34)]
    [InlineData("K", "40", "lb/ac", 22.992)] // 44.834 kg/ha ÷ 1.95
    [InlineData("K", "195", "kg/ha", 100)]
    [InlineData("K2O", "100", "mg/kg", 83.013)]
    [InlineData("P2O5", "100", "ppm", 43.642)]
    [InlineData("K", "130", "mg/L", 100)]
    [InlineData("Ca", "1.2", "g/kg", 1200)]
    [InlineData("N", "0.12", "%", 1200)]
    [InlineData("K", "< 10", "ppm", 5)]
    public void Units_are_converted(string of, string value, string unit, double mg) =>
        Read(Asked(Row(of, value, unit))).Lines[0].MgPerKg!.Value.ShouldBe(mg, mg * 1e-4);

    [Fact]
    public void What_cannot_be_converted_is_refused_with_the_reason()
    {
        Wrong(Asked(Row("K", "90", "stone")))["rows[0].unit"].ShouldContain("stone");
        Wrong(Asked(Row("P", "0.3", "meq/100 g")))["rows[0].unit"].ShouldContain("phosphorus");
        Wrong(Asked(Row("K", "90", "mg/L", Extraction.SaturatedPaste)))["rows[0].method"].ShouldContain("saturated paste");
        Wrong(Asked(Row("K", "90", "mg/L", Extraction.SaturatedMedia)))["rows[0].method"].ShouldContain("mixes");
        Wrong(Asked(Row("P", "20"), Row("Phosphorus", "12", "mg/kg", Extraction.Olsen)))["rows[1].of"].ShouldContain("never mixed");
        Wrong(Asked(Row("K", "1,234")))["rows[0].value"].ShouldContain("can be read as");
        Wrong(Asked(Row("K", "NaN"), Row("Q", "5"), Row("pH", "17"), Row("Ca", "-4"))).Keys
            .ShouldBe(["rows[0].value", "rows[1].of", "rows[2].value", "rows[3].value"], ignoreOrder: true);
    }

    [Fact]
    public void What_is_short_is_met_from_the_shelf_in_spoons_beds_and_hectares()
    {
        var a = Of(Asked(Row("K", "90"), Row("S", "9"), Row("P", "64"))).Value;
        var k = a.Nutrients.Single(n => n.Line.Of.Id == "K");
        (k.Low, k.High).ShouldBe((150, 280));
        k.After!.Value.ShouldBe(150, 1e-6);
        var potash = a.Given.Single(g => g.Name == "potassium sulphate");
        potash.KgPerHa.ShouldBe(60 * 1.95 / (0.5 * 0.83013), 1e-3); // by its label, 0-0-50
        potash.Label.ShouldBe("0-0-50 (N-P₂O₅-K₂O)");
        a.Total(potash.KgPerHa).ShouldBe(potash.KgPerHa * 36 / 10_000, 1e-9);
        a.Given.Single(g => g.Name == "gypsum").KgPerHa.ShouldBe(0); // the sulphate brings the sulphur along
        a.Verdict.Tone.ShouldBe(Tone.Go);
        // The same question by the open calculator.
        var same = SoilCorrections.Of(new CorrectionsQuestion {
            DepthCm = 15, BulkDensityKgPerL = 1.3, Test = new Dictionary<string, double> { ["K"] = 90, ["S"] = 9, ["P"] = 64 },
            Targets = new Dictionary<string, TargetBand> {
                ["K"] = new() { Low = 150, High = 280 }, ["S"] = new() { Low = 12, High = 40 }, ["P"] = new() { Low = 50, High = 100 }
            },
            Inputs = [new() { Name = "gypsum", PricePerKg = 0.35, CapKgPerHa = 3000, Content = new Dictionary<string,
                double> { ["Ca"] = 0.22, ["S"] = 0.17 } },
                new() { Name = "potassium sulphate", PricePerKg = 1.5, CapKgPerHa = 400, Content = new Dictionary<string,
                    double> { ["K"] = 0.5 * 0.83013, ["S"] = 0.17 } }],
        }).Value;
        a.CostPerHa.ShouldBe(same.CostPerHa, 1e-3);
    }

    [Fact]
    public void A_shortfall_says_why_and_waits_for_a_choice()
    {
        var r = Asked(Row("B", "0.3"), Row("K", "200"));
        var a = Of(r).Value;
        var boron = a.Nutrients.Single(n => n.Line.Of.Id == "B");
        boron.Short.ShouldBe(0.4, 1e-6);
        boron.Why!.ShouldContain("No input");
        a.Verdict.Tone.ShouldBe(Tone.Mind);
        Of(r with { Choices = [new() { Of = "B", Choice = ShortfallChoice.LeafNow }] }).Value.Verdict.Tone.ShouldBe(Tone.Go);
        Of(Asked(Row("K", "200"))).Value.Verdict.Sentence.ShouldStartWith("Nothing is short");
        Of(Asked()).Value.Verdict.Sentence.ShouldStartWith("Type or paste");
        Of(Asked(Row("P", "20", "mg/kg", Extraction.AmmoniumAcetate))).Value.Verdict.Sentence.ShouldContain("No figure of it has a band");
        var above = Of(Asked(Row("Mn", "above range"), Row("Zn", "< 1"))).Value;
        var below = above.Read.Line("Zn")!;
        (below.Figure, below.MgPerKg).ShouldBe((1, 0.5)); // shown as it stands on the sheet, taken as half of that
        above.Nutrients[0].Flag!.ShouldContain("above the lab’s scale");
        above.Nutrients[0].Short.ShouldBe(0);
        above.Nutrients[1].Flag!.ShouldContain("half of that");
    }

    [Fact]
    public void Why_not_more_is_a_cap_a_top_or_enough()
    {
        string Why(SheetAsked r, string name) => Of(r).Value.Given.Single(g => g.Name == name).WhyNotMore;
        var r = Asked(Row("K", "90"), Row("S", "9"));
        Why(r, "potassium sulphate").ShouldBe("enough is there with it");
        Why(r with { Inputs = [new() { InputId = 2, Most = "100" }] }, "potassium sulphate").ShouldContain("most that is usual");
        Why(Asked(Row("P", "64"), Row("K", "200")), "gypsum").ShouldBe("nothing is short that it gives");
        // Sulphur at its top holds back what would bring it along.
        Why(Asked(Row("K", "90"), Row("S", "39.9")) with { Inputs = [new() { InputId = 2, Holds = "K 41.5, S 17" }] }, "potassium sulphate")
            .ShouldContain("above the top");
    }

    [Fact]
    public void Of_what_is_above_the_scale_nothing_more_goes_on()
    {
        var a = Of(Asked(Row("K", "above range"), Row("S", "9"))).Value;
        a.Given.Single(g => g.Name == "potassium sulphate").KgPerHa.ShouldBe(0);
        a.Given.Single(g => g.Name == "potassium sulphate").WhyNotMore.ShouldContain("potassium above the top");
        a.Given.Single(g => g.Name == "gypsum").KgPerHa.ShouldBe(3 * 1.95 / 0.17, 1e-3);
        a.Nutrients[0].After.ShouldBeNull();
        Wrong(Asked(Row("Ca", "above range"), Row("CEC", "8",
            "meq/100 g")) with { Lime = LimeBy.Saturation })["lime"].ShouldContain("above the lab");
    }

    [Fact]
    public void Inputs_without_a_price_or_contents_are_named()
    {
        var wrong = Wrong(Asked(Row("K", "90")) with {
            Inputs = [new() { InputId = 4 }, new() { Name = "grey stuff" },
            new() { InputId = 77 },
            new() { InputId = 1, Holds = "Ca lots" }, new() { InputId = 2, Price = "-1" }]
        });
        wrong.Keys.ShouldBe(["inputs[0].holds", "inputs[1].holds", "inputs[1].price", "inputs[2]", "inputs[3].holds", "inputs[4].price"],
            ignoreOrder: true);
        InputContents.Read("P2O5 12, K2O 6")!["P"].ShouldBe(0.12 * 0.43642, 1e-9);
        InputContents.For("potassium sulphate")!.Holds["K"].ShouldBe(0.415, 1e-9); // and not sulphur
        InputContents.For("Rootbank spores").ShouldBeNull();
    }

    [Fact]
    public void Two_schools_give_two_bands()
    {
        var r = Asked(Row("K", "96"), Row("Ca", "1180"), Row("Mg", "88"), Row("CEC", "9.2", "meq/100 g"));
        var ratio = Of(r with { School = SheetSchool.Ratio });
        var k = ratio.Value.Nutrients.Single(n => n.Line.Of.Id == "K");
        k.Low!.Value.ShouldBe(0.02 * 9.2 * 39.098 * 10, 1e-9);
        ratio.Worked.Forks.Single().Chosen.ShouldBe("ratio");
        ratio.Worked.Sure.ShouldBe(Evidence.Contested);
        Of(r).Value.Nutrients.Single(n => n.Line.Of.Id == "K").Low.ShouldBe(150);
        // Without a CEC it is the sum of what is on it; without that it is refused.
        Of(r with { School = SheetSchool.Ratio, Rows = [.. r.Rows.Take(3)] }).Value.Read.Cec!.Value
            .ShouldBe((1180 / 200.39) + (88 / 121.525) + (96 / 390.98), 1e-6);
        Wrong(r with { School = SheetSchool.Ratio, Rows = [r.Rows[0]] }).Keys.ShouldContain("school");
        // Of a sour soil the bases are not all that is on the exchange.
        SheetRow[] sour = [.. r.Rows.Take(3), Row("pH", "5.5", "")];
        Wrong(r with { School = SheetSchool.Ratio, Rows = sour }).Keys.ShouldContain("school");
        Of(r with { School = SheetSchool.Ratio, Rows = [.. sour, Row("acidity", "3", "meq/100 g")] }).Value.Read.Cec!.Value
            .ShouldBe(3 + (1180 / 200.39) + (88 / 121.525) + (96 / 390.98), 1e-6);
        var own = r with { Bands = [new() { Of = "K", Low = "100", High = "160" }] };
        (Of(own).Value.Nutrients[0].Low, Of(own).Value.Nutrients[0].Own).ShouldBe((100, true));
        Wrong(r with { Bands = [new() { Of = "K", Low = "200", High = "100" }] }).Keys.ShouldContain("bands[0].high");
    }

    [Fact]
    public void A_mix_is_corrected_by_the_litre()
    {
        var r = Asked(Row("K", "20", "mg/L"), Row("NH4-N", "30", "ppm")) with {
            For = SheetOf.Mix,
            Size = null,
            Method = Extraction.SaturatedMedia,
            Density = "0.4",
            Held = "0.5",
            Depth = null,
        };
        var a = Of(r, 240).Value;
        a.Nutrients[0].Line.MgPerKg!.Value.ShouldBe(25, 1e-9); // 20 × 0.5 ÷ 0.4
        a.MixL.ShouldBe(240);
        // 40 mg/L of extract short: 20 mg of potassium a litre of mix, 4.8 g in 240 L.
        var kg = a.Given.Single(g => g.Name == "potassium sulphate").KgPerHa;
        (a.Total(kg) * 1000 * 0.5 * 0.83013).ShouldBe(4.8, 1e-3);
        a.Nutrients[1].Flag!.ShouldContain("ammonium");
        Wrong(r with { Rows = [Row("K", "0.3", "meq/100 g")] })["rows[0].unit"].ShouldContain("extract");
        Wrong(r with { Lime = LimeBy.Buffer }).Keys.ShouldContain("lime");
    }

    [Fact]
    public void Lime_by_the_buffer_and_by_the_exchange()
    {
        var r = Asked(Row("pH", "5.5", ""), Row("Buffer pH", "6.2", ""), Row("Ca", "600"), Row("Mg", "60"), Row("K", "90"),
            Row("CEC", "8", "meq/100 g"))
            with { Depth = "20 cm", Lime = LimeBy.Buffer, LimeWorth = "100" };
        Of(r).Value.Lime!.Value.KgPerHa.ShouldBe(1.6 * (1.0 / 1.1) * 2242, 1e-6);
        Of(r with { LimeWorth = "50" }).Value.Lime!.Value.Split.ShouldBeTrue();
        var bases = (600 / 200.39) + (60 / 121.525) + (90 / 390.98);
        Of(r with { Lime = LimeBy.Saturation, LimeTo = "80" }).Value.Lime!.Value.KgPerHa.ShouldBe(((0.8 * 8) - bases) * 500 * 2.6, 1e-6);
        Of(r with { Lime = LimeBy.Saturation, LimeTo = "20" }).Value.Lime!.Value.Sentence.ShouldBe("It wants no lime.");
        Wrong(r with { Rows = [r.Rows[0]] })["lime"].ShouldContain("buffer pH");
        // What the lime brings counts before anything else is chosen.
        Of(r).Value.Nutrients.Single(n => n.Line.Of.Id == "Ca").After!.Value.ShouldBeGreaterThan(600
            + (1.6 / 1.1 * 2242 * 0.36 / 2.6) - 1e-6);
    }

    [Fact]
    public void The_labs_advice_stands_beside_ours_with_its_cost()
    {
        var a = Of(Asked(Row("K", "90")) with {
            Advice = [new() { Name = "potassium sulphate", Amount = "250" },
            new() { Name = "x", Amount = "1" }, new()]
        }).Value;
        a.Advice.Count.ShouldBe(2);
        a.Advice[0].CostPerHa.ShouldBe(375);
        a.Advice[1].CostPerHa.ShouldBeNull();
    }

    [Fact]
    public void A_sample_goes_its_way()
    {
        var begun = new DateTimeOffset(2026, 6, 1, 8, 0, 0, TimeSpan.Zero);
        var asked = Asked();
        WorkPoint At(double day, WorkStep step) => new(step, begun.AddDays(day));
        LabSheetStands Stands(SheetAsked r, double day, params WorkPoint[] points) => SheetCourse.Of(r, begun, points, begun.AddDays(day));
        Stands(asked, 0).State.ShouldBe(SheetState.Begun);
        Stands(asked, 0).Sampling.ShouldBeTrue();
        Stands(asked, 4, At(1, WorkStep.Sampled)).Due!.Rule.ShouldBe("send");
        var sent = Stands(asked, 14, At(1, WorkStep.Sampled), At(2, WorkStep.Sent));
        (sent.State, sent.Due!.Title, sent.Due.Urgency).ShouldBe((SheetState.Sent, "ridge waits for its result", 3));
        Stands(asked, 30, At(2, WorkStep.Sent)).Due!.Title.ShouldStartWith("Ask the lab");
        sent.Sampling.ShouldBeFalse();
        var rows = asked with { Rows = [Row("K", "90")] };
        var result = Stands(rows, 30, At(2, WorkStep.Sent), At(20, WorkStep.Result));
        result.State.ShouldBe(SheetState.Result);
        var answer = Of(Asked(Row("B", "0.3"))).Value;
        SheetCourse.Do(new() { Step = WorkStep.Corrected }, result, answer, begun).Refused!.Problems[0].Wrong.ShouldContain("boron");
        SheetCourse.Do(new() { Step = WorkStep.Corrected, Note = "later" }, result, answer, begun).Refused.ShouldBeNull();
        SheetCourse.Do(new() { Step = WorkStep.Corrected }, result, Of(Asked(Row("K", "96"), Row("S", "12"))).Value, begun).Value.Point.What
            .ShouldBe("913 g of potassium sulphate"); // as it was worked out then
        SheetCourse.Do(new() { Step = WorkStep.Ready }, result, Of(Asked(Row("K", "90"))).Value, begun)
            .Refused!.Problems[0].Field.ShouldBe("note");
        SheetCourse.Do(new() { Step = WorkStep.Sent }, Stands(asked, 0), null, begun).Refused!.Problems[0].Field.ShouldBe("step");
        SheetCourse.Do(new(), sent, null, begun).Refused!.Problems[0].Field.ShouldBe("step");
        Stands(rows, 40, At(30, WorkStep.Corrected), At(31, WorkStep.Ready)).State.ShouldBe(SheetState.Ready);
    }
}
