using MudPie.Core.Measures;
using MudPie.Core.Sheets;

namespace MudPie.Core.Tests.Sheets;

/// <summary>Leaves, sap, labs' tables, what changed, and soil, leaf and sap of one place.</summary>
public sealed class PlantSheetTests
{
    private static SheetRow Row(string of, string value, string unit, LeafAge? age = null) => new() {
        Of = of, Value = value, Unit = unit,
        Age = age
    };

    private static SheetAsked Leaf(params SheetRow[] rows) => new() {
        Name = "tomato leaf", For = SheetOf.Leaf, Crop = CropGroup.Vegetables,
        Rows = rows
    };

    private static SheetAsked Sap(params SheetRow[] rows) => new() {
        Name = "tomato sap", For = SheetOf.Sap, Crop = CropGroup.Vegetables,
        Rows = rows
    };

    private static SheetAsked Soil(string name, string k, string lab = "the county lab", Extraction by = Extraction.Mehlich3,
        string depth = "15 cm") => new() {
            Name = name, For = SheetOf.Bed, Lab = lab, Method = by, Depth = depth,
            Crop = CropGroup.Vegetables, Rows = [Row("K", k, "mg/kg"), Row("pH", "6.1", "")]
        };

    private static SheetAnswer Worked(SheetAsked asked)
    {
        var answer = SheetBench.Of(asked, [], 20, null, UnitSystem.Metric);
        Assert.Null(answer.Refused);
        return answer.Value;
    }

    private static string Wrong(SheetAsked asked) => SheetBench.Of(asked, [], 20, null, UnitSystem.Metric).Refused!.Problems[0].Wrong;

    [Theory]
    [InlineData("N", "2.6", "%", 26_000, 4_000)]
    [InlineData("N", "26", "g/kg", 26_000, 4_000)]
    [InlineData("Zn", "14", "ppm", 14, 6)]
    [InlineData("K2O", "4.2", "%", 34_865, 0)] // 0.83013 of it is potassium, 3.49 %: enough
    public void A_dried_leaf_is_held_against_its_bands(string of, string value, string unit, double mg, double shortBy)
    {
        var n = Assert.Single(Worked(Leaf(Row(of, value, unit))).Nutrients);
        Assert.Equal(mg, n.Line.MgPerKg!.Value, 0);
        Assert.Equal(shortBy, n.Short, 0);
    }

    [Fact]
    public void A_legume_wants_more_nitrogen_in_its_leaf()
    {
        Assert.Equal(0, Worked(Leaf(Row("N", "3.2", "%"))).Nutrients[0].Short);
        Assert.Equal(3_000, Worked(Leaf(Row("N", "3.2", "%")) with { Plant = "broad beans" }).Nutrients[0].Short, 6);
    }

    [Fact]
    public void A_plant_s_sheet_asks_for_a_choice_and_puts_nothing_on()
    {
        var a = Worked(Leaf(Row("Zn", "14", "ppm"), Row("B", "40", "ppm")));
        Assert.Empty(a.Given);
        Assert.Equal(Tone.Mind, a.Verdict.Tone);
        Assert.Equal("Zinc is short in the leaf: choose what to do.", a.Verdict.Sentence);
        var chosen = Worked(Leaf(Row("Zn", "14", "ppm")) with { Choices = [new() { Of = "Zn", Choice = ShortfallChoice.LeafNow }] });
        Assert.Equal(Tone.Go, chosen.Verdict.Tone);
    }

    [Fact]
    public void The_lab_s_band_of_a_leaf_may_be_in_per_cent_or_in_mg()
    {
        var perCent = Worked(Leaf(Row("N", "3.2", "%")) with { Bands = [new() { Of = "N", Low = "3.5", High = "4.5" }] });
        Assert.Equal(35_000, perCent.Nutrients[0].Low);
        var mg = Worked(Leaf(Row("N", "3.2", "%")) with { Bands = [new() { Of = "N", Low = "35000", High = "45000", Unit = "mg/kg" }] });
        Assert.Equal(35_000, mg.Nutrients[0].Low);
        // of a soil, a lab's band in lb/ac is in lb/ac: 195 kg/ha are 100 mg/kg at 15 cm and 1.3 kg a litre
        var soil = Worked(Soil("s", "96") with { Bands = [new() { Of = "K", Low = "173.98", High = "300", Unit = "lb/ac" }] });
        Assert.Equal(100, soil.Nutrients[0].Low!.Value, 2);
    }

    [Fact]
    public void What_is_no_figure_of_a_plant_is_refused_by_name()
    {
        Assert.Contains("exchange (CEC) is no figure of a plant", Wrong(Leaf(Row("CEC", "12", "meq/100 g"))));
        Assert.Contains("Sap is not given in", Wrong(Sap(Row("K", "3", "%"))));
        Assert.Contains("A dried leaf is not given in", Wrong(Leaf(Row("K", "30", "lb/ac"))));
        Assert.Contains("more than the whole", Wrong(Leaf(Row("K", "300", "%"))));
        Assert.Contains("stands twice for leaves of one age", Wrong(Sap(Row("K", "3000", "ppm"), Row("K", "3100", "ppm"))));
    }

    [Theory]
    [InlineData("K", 3600, 2100, Tone.Mind, "drawn out of the old leaves")]
    [InlineData("K", 3600, 3300, Tone.Go, "inside the noise")] // 8 %, and two figures stray by 17 %
    [InlineData("K", 3000, 4200, Tone.Go, "as much as it can use")]
    [InlineData("Ca", 120, 600, Tone.Mind, "can’t be moved to")]
    [InlineData("Ca", 600, 300, Tone.Go, "it arrives")]
    public void Old_and_young_leaves_say_what_moves(string of, double young, double old, Tone tone, string says)
    {
        var a = Worked(Sap(Row(of, $"{young}", "ppm", LeafAge.Young), Row(of, $"{old}", "ppm", LeafAge.Old)));
        var pair = Assert.Single(PlantSays.Pairs(a.Read.Lines, 0.12));
        Assert.Equal(tone, pair.Tone);
        Assert.Contains(says, pair.Sentence);
        Assert.Null(a.Nutrients.Single(n => n.Line.Age == LeafAge.Old).Low); // bands are of young leaves
    }

    [Fact]
    public void A_pasted_sheet_of_a_plant_keeps_per_cents_and_ages()
    {
        var leaf = SheetText.Read("N 3.2 %\nZn 14 ppm", SheetOf.Leaf).Value;
        Assert.Equal([("N", "3.2", "%"), ("Zn", "14", "mg/kg")], leaf.Rows.Select(r => (r.Of!, r.Value!, r.Unit!)));
        var sap = SheetText.Read("Old leaves\nK 2100 ppm\nYoung leaves:\nK 3600 ppm\nold leaf Ca 600 ppm", SheetOf.Sap).Value;
        Assert.Equal([("K", LeafAge.Old), ("K", LeafAge.Young), ("Ca", LeafAge.Old)], sap.Rows.Select(r => (r.Of!, r.Age!.Value)));
        Assert.Empty(sap.Left);
        Assert.Single(SheetText.Read("K 4 %\nP 18 ppm").Value.Left); // of a soil, a share of the exchange
    }

    private static readonly string[] Tall = ["Analyte", "Result", "Unit", "Method", "Low", "High", "Moisture"];

    [Fact]
    public void A_lab_s_table_is_read_line_by_line()
    {
        IReadOnlyList<IReadOnlyList<string>> rows = [["Phosphorus", "18", "ppm", "Olsen", "25", "45", ""], ["P2O5", "< 5", "ppm", "",
            "10", "20", ""], ["Sand", "40", "%", "", "", "", ""], ["K", "", "ppm", "", "", "", ""]];
        var columns = SheetTable.Guess(Tall, []);
        Assert.Equal([ColumnMeans.What, ColumnMeans.Value, ColumnMeans.Unit, ColumnMeans.Method, ColumnMeans.LabLow, ColumnMeans.LabHigh,
            ColumnMeans.Skip], columns.Select(c => c.Means));
        var file = SheetTable.Read(Tall, rows, columns, null).Value;
        Assert.Equal([("P", "18", Extraction.Olsen), ("P2O5", "< 5", (Extraction?)null)],
            file.Rows.Select(r => (r.Of!, r.Value!, r.Method)));
        Assert.Equal([("25", "45"), ("4.3642", "8.7284")], file.LabBands.Select(b => (b.Low!, b.High!)));
        Assert.Equal(["Sand", "K: no figure"], file.Left);
    }

    [Fact]
    public void A_table_with_a_row_for_each_sample_asks_which()
    {
        string[] headers = ["Sample", "Olsen P (mg/kg)", "K ppm", "pH", "Leaf age", "Texture"];
        IReadOnlyList<IReadOnlyList<string>> rows = [["low corner", "18", "140", "6.1", "", "clay"], ["ridge end", "31", "90", "6.6", "",
            "loam"]];
        var columns = SheetTable.Guess(headers, []);
        var file = SheetTable.Read(headers, rows, columns, "ridge end").Value;
        Assert.Equal(["low corner", "ridge end"], file.Samples);
        Assert.Equal([("P", "31", "mg/kg"), ("K", "90", "mg/kg"), ("pH", "6.6", "")], file.Rows.Select(r => (r.Of!, r.Value!, r.Unit!)));
        Assert.Equal(Extraction.Olsen, file.Rows[0].Method);
        Assert.Equal("low corner", SheetTable.Read(headers, rows, columns, null).Value.Sample);
    }

    [Fact]
    public void A_lab_s_columns_are_remembered_and_nonsense_is_refused()
    {
        string[] headers = ["Wert", "Stoff"];
        Assert.Equal([ColumnMeans.Skip, ColumnMeans.Skip], SheetTable.Guess(headers, []).Select(c => c.Means));
        LabColumn[] kept = [new("wert", ColumnMeans.Value, null, null), new("STOFF", ColumnMeans.What, null, null)];
        Assert.Equal([ColumnMeans.Value, ColumnMeans.What], SheetTable.Guess(headers, kept).Select(c => c.Means));
        IReadOnlyList<IReadOnlyList<string>> rows = [["18", "P"]];
        Assert.Equal("columns", SheetTable.Read(headers, rows, SheetTable.Guess(headers, []), null).Refused!.Problems[0].Field);
        Assert.Equal("columns", SheetTable.Read(headers, rows, [kept[0], kept[0]], null).Refused!.Problems[0].Field);
        Assert.Equal("text", SheetTable.Read([], [], [], null).Refused!.Problems[0].Field);
        Assert.Equal("text", SheetTable.Read(headers, [["x", "y"]], kept, null).Refused!.Problems[0].Field);
    }

    [Theory]
    [InlineData("104", false, "up by 8.3 %: inside the noise")]
    [InlineData("136", true, "up by 42 %: more than labs stray")]
    [InlineData("96", false, "the same")]
    [InlineData("80", true, "down by 17 %: more than labs stray")]
    public void A_change_within_what_labs_stray_is_none(string now, bool real, string says)
    {
        var change = SheetChange.Of(With(Soil("spring", "96")), With(Soil("a year on", now)), SheetChange.UsualStray).Changes
            .Single(c => c.Of.Id == "K");
        Assert.Equal((real, says), (change.Real, change.Sentence));
    }

    [Fact]
    public void No_line_goes_through_two_labs_depths_or_extractions()
    {
        var then = With(Soil("spring", "96"));
        Assert.Contains("no line goes through both", SheetChange.Of(then, With(Soil("b", "140", "another lab")), 0.12).WhyNot);
        Assert.Contains("another depth", SheetChange.Of(then, With(Soil("b", "140", depth: "30 cm")), 0.12).WhyNot);
        var other = SheetChange.Of(then, With(Soil("b", "140", by: Extraction.AmmoniumAcetate)), 0.12);
        Assert.DoesNotContain(other.Changes, c => c.Of.Id == "K");
        Assert.Contains(other.Changes, c => c.Of.Id == "pH");
    }

    private static (SheetAsked, SheetRead) With(SheetAsked asked) => (asked, Worked(asked).Read);

    private static readonly DateOnly Today = new(2026, 6, 10);

    [Theory]
    [InlineData("200", "2.0", null, "does not arrive")]
    [InlineData("96", "4.0", null, "The store is low")]
    [InlineData("96", "2.0", null, "Short in the ground")]
    [InlineData("200", "2.0", "3000", "moving today")]
    [InlineData("200", "4.0", "1000", "little moves today")]
    [InlineData("200", "4.0", "3000", null)]
    public void Soil_leaf_and_sap_are_read_together(string soil, string leaf, string? sap, string? says)
    {
        List<(int, DateOnly, SheetAsked, SheetFound)> sheets = [Placed(1, Soil("s", soil), 300), Placed(2, Leaf(Row("K", leaf, "%")), 20)];
        if (sap is not null)
        {
            sheets.Add(Placed(3, Sap(Row("K", sap, "ppm")), 2));
        }

        var k = Assert.Single(SheetsOfPlace.Of(sheets, Today));
        Assert.Equal(sheets.Count, k.Figures.Count);
        Assert.True(says is null ? k.Sentence is null : k.Sentence!.Contains(says, StringComparison.Ordinal), k.Sentence);
    }

    [Fact]
    public void An_old_press_of_sap_says_nothing_of_today()
    {
        var k = Assert.Single(SheetsOfPlace.Of([Placed(1, Soil("s", "200"), 300), Placed(3, Sap(Row("K", "1000", "ppm")), 90)], Today));
        Assert.Null(k.Sentence);
        Assert.Equal(Tone.Go, k.Tone);
        Assert.Equal([FigureStands.Enough, FigureStands.Short], k.Figures.Select(f => f.Stands));
        Assert.Equal(0.4, k.Figures[1].OfBand!.Value, 6); // 1,000 of 2,500
    }

    private static (int, DateOnly, SheetAsked, SheetFound) Placed(int id, SheetAsked asked, int days) =>
        (id, Today.AddDays(-days), asked, SheetBench.Found(asked, UnitSystem.Metric).Value);

    [Fact]
    public void Soil_is_sampled_again_after_three_to_five_years_in_its_month()
    {
        var place = new SamplingPlace(1, "Creek Field", 2, "low corner", "silty clay", new DateOnly(2024, 3, 12), "the county lab");
        var due = SamplingPlan.Due([place, place with { Last = new DateOnly(2020, 3, 12) }, place with { Last = null }], Today);
        Assert.Equal("last 12 Mar 2024 by the county lab: again March 2027 to March 2029", due[0].Sentence);
        Assert.Equal((Tone.Mind, true), (due[1].Tone, due[1].Sentence.EndsWith("overdue", StringComparison.Ordinal)));
        Assert.Equal("never sampled", due[2].Sentence);
        Assert.Equal(["Creek Field, low corner, 0 to 10 cm", "Creek Field, low corner, 10 to 30 cm"], SamplingPlan.Bags([place],
            UnitSystem.Metric)
            .Select(b => b.Mark));
        Assert.All(Enum.GetValues<SheetOf>(), of => Assert.NotEmpty(SamplingPlan.Checklist(of, UnitSystem.Metric)));
        var inches = SamplingPlan.Bags([place], UnitSystem.UsCustomary);
        Assert.Equal(("Creek Field, low corner, 4 to 12 in", "4 in", "12 in"), (inches[1].Mark, inches[1].From, inches[1].To));
        Assert.Null(inches[0].From);
        Assert.DoesNotContain(Enum.GetValues<SheetOf>().SelectMany(of => SamplingPlan.Checklist(of, UnitSystem.UsCustomary)),
            s => s.Contains(" cm", StringComparison.Ordinal) || s.Contains("litre", StringComparison.Ordinal));
    }

    [Fact]
    public void A_choice_comes_back_on_its_day()
    {
        var on = new DateOnly(2026, 6, 1);
        Assert.Equal(new DateOnly(2026, 6, 15), SheetKinds.Again(ShortfallChoice.LeafNow, on));
        var asked = Leaf(Row("Zn", "14", "ppm")) with {
            Choices = [new() { Of = "Zn", Choice = ShortfallChoice.LeafNow, On = on,
            Back = new DateOnly(2026, 6, 15) }]
        };
        DateTimeOffset At(int day) => new(2026, 6, day, 8, 0, 0, TimeSpan.Zero);
        Assert.Null(SheetCourse.Of(asked, At(1), [], At(14)).Due);
        var due = SheetCourse.Of(asked, At(1), [], At(15)).Due!;
        Assert.Equal("Look again at zinc of tomato leaf", due.Title);
        Assert.Equal("zinc: you chose to feed the leaf, to be looked at again on 15 Jun 2026", SheetCourse.NewlyChosen(null, asked));
        Assert.Null(SheetCourse.NewlyChosen(asked, asked));
        Assert.Equal(new DateTimeOffset(2026, 6, 15, 8, 0, 0, TimeSpan.Zero), Assert.Single(SheetCourse.Dates(asked, At(14))).At);
        Assert.Empty(SheetCourse.Dates(asked, At(15)));
    }

    [Fact]
    public void What_was_put_off_is_due_when_the_next_planting_begins()
    {
        var on = new DateOnly(2026, 3, 3);
        var asked = Leaf(Row("Zn", "14", "ppm")) with {
            Choices = [new() { Of = "Zn", Choice = ShortfallChoice.NextPlanting, On = on,
            Back = on.AddDays(365) }]
        };
        (DateOnly, string)[] sown = [(on, "rye"), (new(2026, 4, 20), "oats"), (new(2026, 7, 1), "beans")];
        LabSheetStands On(int month, int day) => SheetCourse.Of(asked, new(2026, 3, 1, 8, 0, 0, TimeSpan.Zero), [],
            new(2026, month, day, 8, 0, 0, TimeSpan.Zero), sown);
        Assert.Null(On(4, 19).Due);
        Assert.Equal("you put it off to the next planting on 3 Mar 2026: oats, begun today: now is the time", On(4, 20).Due!.Detail);
        Assert.Equal("you put it off to the next planting on 3 Mar 2026: oats, begun on 20 Apr 2026: now is the time",
            On(5, 2).Due!.Detail);
        // Chosen anew on that day, it waits for the beans; never to come back, it does not.
        Assert.Equal(new DateOnly(2026, 7, 1), Assert.Single(SheetCourse.Planted(asked with {
            Choices = [asked.Choices[0] with {
            On = new(2026, 4, 20) }]
        }, sown).Choices).Back);
        Assert.Null(SheetCourse.Planted(asked with { Choices = [asked.Choices[0] with { Back = null }] }, sown).Choices[0].Back);
        Assert.Equal(on.AddDays(365), SheetCourse.Planted(asked, sown[..1]).Choices[0].Back);
    }

    [Fact]
    public void A_layer_under_the_surface_is_as_thick_as_it_is()
    {
        var deep = Worked(Soil("d", "96", depth: "30 cm") with { DepthFrom = "10 cm" });
        Assert.Equal(20, deep.Read.DepthCm, 9);
        Assert.Equal(0.2 * 1.3 * 10, deep.Read.KgPerHa, 9);
        Assert.Contains("begins no higher", Wrong(Soil("d", "96", depth: "10 cm") with { DepthFrom = "30 cm" }));
    }
}
