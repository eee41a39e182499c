using FsCheck;
using FsCheck.Xunit;
using MudPie.Core.Measures;
using MudPie.Core.Sheets;

namespace MudPie.Core.Tests.Sheets;

/// <summary>What a blend should hold, what it was tested to hold, and what moved.</summary>
public sealed class BlendTests
{
    private static SheetRead Sheet(string text, string density = "0.4", string held = "0.5",
        Extraction method = Extraction.SaturatedMedia) => SheetReading.Of(new SheetAsked {
            Name = "a sheet", For = SheetOf.Mix, Method = method, Density = density, Held = held, Rows = SheetText.Read(text).Value.Rows
        }, new TypedFields(UnitSystem.Metric))!;

    [Fact]
    public void Nutrients_add_up_by_volume_and_weight()
    {
        var coir = Sheet("K 420 mg/kg", "0.12", method: Extraction.AmmoniumAcetate);
        var castings = Sheet("K 900 mg/kg", "0.65", method: Extraction.AmmoniumAcetate);
        var a = BlendGuess.Of([new("coir", 60, null, coir), new("castings", 40, null, castings)], null).Value;
        a.Nutrients.ShouldHaveSingleItem().GuessMgPerL!.Value.ShouldBe(((60 * 0.12 * 420) + (40 * 0.65 * 900)) / 100, 1e-9);
        a.KgPerL!.Value.ShouldBe((7.2 + 26) / 100, 1e-9);
    }

    [Fact]
    public void A_part_without_a_sheet_leaves_it_open_and_a_stone_does_not()
    {
        var castings = Sheet("K 200 ppm\nEC 3 dS/m", "0.65");
        var open = BlendGuess.Of([new("castings", 40, null, castings), new("coir", 60, 0.12, null)], null).Value;
        open.Nutrients[0].GuessMgPerL.ShouldBeNull();
        open.Nutrients[0].Lacks.ShouldBe(["coir"]);
        open.Ec.ShouldBeNull();
        open.Without.ShouldBe(["coir"]);
        var stone = BlendGuess.Of([new("castings", 50, null, castings), new("pumice", 50, 0.5, null)], null).Value;
        stone.Nutrients[0].GuessMgPerL!.Value.ShouldBe(50 * 200 * 0.5 / 100, 1e-9); // mg/L of extract × held
        stone.Without.ShouldBeEmpty();
        stone.KgPerL!.Value.ShouldBe(0.575, 1e-9);
    }

    [Fact]
    public void Extractions_are_never_mixed()
    {
        var a = BlendGuess.Of([new("base", 50, null, Sheet("K 100 ppm\nEC 1 dS/m")), new("castings", 50, null, Sheet("K 900 mg/kg\nEC 3",
            method: Extraction.AmmoniumAcetate))], null).Value;
        a.Nutrients.Count.ShouldBe(2);
        a.Nutrients.ShouldAllBe(n => n.GuessMgPerL == null && n.Lacks.Count == 1);
        a.Ec.ShouldBeNull();
    }

    [Fact]
    public void Potassium_salts_and_ammonium_are_flagged_and_the_test_goes_first()
    {
        var hot = Sheet("K 700 ppm\nNH4-N 60 ppm\nEC 6 dS/m");
        var a = BlendGuess.Of([new("by-product", 50, null, hot), new("pumice", 50, 0.5, null)], null).Value;
        a.Ec!.Value.ShouldBe(6, 1e-9); // stones hold no water to speak of: they thin nothing in the extract
        a.Verdict.Tone.ShouldBe(Tone.Mind);
        a.Verdict.Sentence.ShouldContain("salts too high");
        a.Verdict.Sentence.ShouldContain("much ammonium");
        var tested = BlendGuess.Of([new("by-product", 50, null, hot), new("pumice", 50, 0.5, null)], Sheet("K 90 ppm\nEC 1.2 dS/m")).Value;
        tested.TestEc.ShouldBe(1.2);
        tested.Nutrients.First(n => n.Of.Id == "K").TestMgPerL!.Value.ShouldBe(45, 1e-9);
        tested.Verdict.Sentence.ShouldNotContain("salts");
    }

    [Fact]
    public void Sheets_side_by_side_say_what_moved()
    {
        var lines = SheetsBeside.Of([Sheet("Mg 12 ppm\nK above range\nNO3-N 20 ppm\npH 6.2"), Sheet("Mg 20 ppm\nK 90 ppm\nB < 0.02 ppm"),
            Sheet("Mg 44 ppm\nK 120 ppm\nNO3-N 90 ppm\npH 6.6")]).Value;
        BesideLine Line(string id) => lines.First(l => l.Of.Id == id);
        Line("Mg").Moved.ShouldBe("from short to enough");
        Line("Mg").Stands.ShouldBe(["short", "short", "enough"]);
        Line("NO3-N").Moved.ShouldBeNull(); // the base was not tested for it
        Line("K").Shown.ShouldBe(["above the scale", "90", "120"]);
        Line("K").Moved.ShouldBeNull(); // from enough in the base to enough
        SheetsBeside.Of([Sheet("K above range"), Sheet("K 120 ppm")]).Value[0].Moved.ShouldBe("from above to enough");
        Line("B").Shown.ShouldBe([null, "< 0.02", null]);
        Line("pH").Shown.ShouldBe(["6.2", null, "6.6"]);
        Line("pH").Moved.ShouldBeNull();
    }

    /// <summary>A blend of one thing with itself is that thing.</summary>
    [Property]
    public bool A_blend_with_itself_changes_nothing(PositiveInt a, PositiveInt b, PositiveInt k)
    {
        var sheet = Sheet($"K {1 + (k.Get % 500)} ppm");
        var mixed = BlendGuess.Of([new("one", a.Get, null, sheet), new("two", b.Get, null, sheet)], null).Value;
        return Math.Abs(mixed.Nutrients[0].GuessMgPerL!.Value - ((1 + (k.Get % 500)) * 0.5)) < 1e-6;
    }
}
