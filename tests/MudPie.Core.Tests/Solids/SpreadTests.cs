using FsCheck;
using FsCheck.Xunit;
using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Core.Solids;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.Solids;

/// <summary>Solids on the ground, from a handful to a hectare.</summary>
public sealed class SpreadTests
{
    private static readonly Solid Compost = new("leaf-mould compost", "compost", null, false, 0.07, null);

    private static readonly SolidBed Bed = new(1, "Ridge Bed 1", 36, true);

    private static readonly SolidBed Other = new(2, "Ridge Bed 2", 18, false);

    private static Ruling<SpreadAnswer> Of(SpreadAsked r, Solid? of = null, params SolidBed[] beds) =>
        SpreadBench.Of(r, of ?? (r.What is null ? Compost : null), beds.Length == 0 ? [Bed] : beds, Materials.All, UnitSystem.Metric);

    private static SpreadAsked By(SpreadBy by, string amount) => new() { By = by, Amount = amount };

    [Fact]
    public void A_layer_is_area_times_depth()
    {
        var a = Of(By(SpreadBy.Depth, "5 cm")).Value;
        (a.Litres, a.Kg, a.Barrows).ShouldBe((1800, 1080, 22.5));
        a.Beds[0].DepthMm.ShouldBe(50, 1e-9);
        a.Cost!.Value.ShouldBe(126, 1e-9);
        a.Verdict.Sentence.ShouldBe("1.8 m³ of leaf-mould compost: 22½ barrows.");
    }

    [Theory]
    [InlineData(SpreadBy.Square, "3 L", 108)]
    [InlineData(SpreadBy.Square, "1.8 kg", 108)] // 0.6 kg a litre
    [InlineData(SpreadBy.Hectare, "30 m3", 108)]
    [InlineData(SpreadBy.Hectare, "18 t", 108)]
    [InlineData(SpreadBy.Depth, "3 mm", 108)]
    public void Every_way_of_saying_it_gives_the_same(SpreadBy by, string amount, double litres) =>
        Of(By(by, amount)).Value.Litres.ShouldBe(litres, litres * 1e-9);

    [Fact]
    public void By_the_plant_and_the_handful_it_wants_the_plants_of_each_bed()
    {
        var plants = new Dictionary<string, string> { ["1"] = "120", ["2"] = "60" };
        var a = Of(By(SpreadBy.Handful, "1") with { Plants = plants }, null, Bed, Other).Value;
        a.Litres.ShouldBe(180 * SpreadBench.UsualHandfulL, 1e-9);
        a.Beds.Select(b => b.Litres).ShouldBe([120 * 0.06, 60 * 0.06], 1e-9);
        a.LPerPlant.ShouldBe(0.06);
        Of(By(SpreadBy.Handful, "2") with { Plants = plants, Handful = "80 mL" }, null, Bed).Value.Litres.ShouldBe(120 * 0.16, 1e-9);
        Of(By(SpreadBy.Plant, "1 L") with { Plants = plants }, null, Bed).Value.Litres.ShouldBe(120, 1e-9);
        Of(By(SpreadBy.Handful, "1")).Refused!.Problems.ShouldContain(p => p.Field == "plants" && p.Wrong.Contains("Ridge Bed 1"));
    }

    [Fact]
    public void A_mineral_is_meant_by_weight()
    {
        var gypsum = new Solid("gypsum", "mineral", 1.0, true, 0.4, null);
        Of(By(SpreadBy.Square, "50"), gypsum).Value.Kg.ShouldBe(1.8, 1e-9); // grams, as on a packet
        Of(By(SpreadBy.Hectare, "500"), gypsum).Value.Kg.ShouldBe(1.8, 1e-9); // kilograms, on a hectare
        Of(By(SpreadBy.Square, "50 g"), gypsum).Value.Kg.ShouldBe(1.8, 1e-9);
        Of(By(SpreadBy.Square, "50 g"), gypsum).Value.Cost!.Value.ShouldBe(0.72, 1e-9);
        Of(By(SpreadBy.Hectare, "4 t"), gypsum).Value.Verdict.Sentence.ShouldContain("more gypsum than is usual");
    }

    [Fact]
    public void A_spreader_is_calibrated_by_a_tarp()
    {
        var r = By(SpreadBy.Square, "3 L") with { Tarp = "4 m2", Caught = "6 L", Holds = "27 L" };
        var s = Of(r).Value.Spreader!;
        (s.PassLPerM2, s.Passes, s.GivesShare, s.Fillings!.Value).ShouldBe((1.5, 2, 1, 4));
        Of(r with { Caught = "3.6 kg" }).Value.Spreader!.PassLPerM2.ShouldBe(1.5, 1e-9);
        Of(r).Value.Verdict.Why.ShouldEndWith(" 2 passes of the spreader give 100 % of it.");
        var off = Of(r with { Caught = "8 L" }).Value; // 2 L a pass: 2 passes give 4 of 3
        off.Spreader!.Passes.ShouldBe(2);
        off.Verdict.Sentence.ShouldBe("The spreader gives 133 % of it.");
        Of(r with { Caught = "" }).Refused!.Problems[0].Field.ShouldBe("caught");
        Of(r with { Tarp = "0" }).Refused!.Problems[0].Field.ShouldBe("tarp");
    }

    [Theory]
    [InlineData("coffee grounds", "3 cm", "too thick")]
    [InlineData("grass clippings", "5 cm", "too thick")]
    [InlineData("wood chip", "12 cm", "too thick")]
    public void A_mulch_too_thick_is_said(string what, string depth, string says)
    {
        var a = Of(By(SpreadBy.Depth, depth) with { What = what }).Value;
        a.Verdict.Tone.ShouldBe(Tone.Mind);
        a.Verdict.Sentence.ShouldContain(says);
        a.Limit!.Mm.ShouldBeLessThan(a.Beds[0].DepthMm);
    }

    [Fact]
    public void Wood_on_top_robs_a_tenth_of_what_it_robs_worked_in()
    {
        var top = Of(By(SpreadBy.Depth, "5 cm") with { What = "wood chip" }).Value;
        var under = Of(By(SpreadBy.Depth, "5 cm") with { What = "wood chip", Place = SpreadPlace.WorkedIn }).Value;
        under.Nitrogen!.Value.Weeks[^1].G.ShouldBeLessThan(-2);
        top.Nitrogen!.Value.Weeks[^1].G.ShouldBe(under.Nitrogen.Value.Weeks[^1].G / 10, 1e-9);
        under.Verdict.Sentence.ShouldContain("robs");
        top.Verdict.Tone.ShouldBe(Tone.Go);
        under.Limit.ShouldBeNull();
    }

    [Fact]
    public void What_it_is_decides_what_is_said()
    {
        Of(By(SpreadBy.Square, "2 L"), new Solid("char, raw", "char", null, false, null, null)).Value.Verdict.Sentence
            .ShouldContain("raw char");
        Of(By(SpreadBy.Square, "2 L") with { What = "coffee grounds" }).Worked.Cautions.ShouldContain(c => c.Id == "grounds-out");
        Of(By(SpreadBy.Square, "2 L") with { What = "straw" }).Worked.Cautions.ShouldNotContain(c => c.Id == "grounds-out");
        Of(By(SpreadBy.Square, "2 L") with { What = "coffee grounds", Place = SpreadPlace.WorkedIn }).Value.Verdict.Sentence
            .ShouldContain("stunt");
        var manure = SpreadBench.Of(By(SpreadBy.Square, "2 L") with { What = "hen manure" }, null, [Bed], Materials.All, UnitSystem.Metric);
        manure.Worked.Cautions.ShouldContain(c => c.Id == "raw-manure");
        SpreadBench.Of(By(SpreadBy.Square, "2 L") with { What = "hen manure" }, null, [Other], Materials.All, UnitSystem.Metric)
            .Worked.Cautions.ShouldNotContain(c => c.Id == "raw-manure");
        Of(By(SpreadBy.Square, "4 L") with { What = "hen manure" }, null, Bed with { AreaM2 = 2000 }).Value.Verdict.Sentence
            .ShouldBe("It brings 440 kg of nitrogen a hectare.");
    }

    [Fact]
    public void What_is_typed_wrong_is_named()
    {
        Of(By(SpreadBy.Square, "") with { What = "" }).Refused!.Problems.Select(p => p.Field).ShouldBe(["what"]);
        Of(By(SpreadBy.Square, "3 L") with { What = "moon dust" }).Refused!.Problems.Select(p => p.Field).ShouldBe(["density"]);
        Of(By(SpreadBy.Square, "3 L") with { What = "moon dust", Density = "1.2" }).Value.Kg.ShouldBe(3 * 36 * 1.2, 1e-9);
        Of(By(SpreadBy.Depth, "2 m")).Refused!.Problems[0].Field.ShouldBe("amount");
        Of(By(SpreadBy.Square, "-3 L")).Refused!.Problems[0].Field.ShouldBe("amount");
        Of(By(SpreadBy.Square, "NaN")).Refused!.Problems[0].Field.ShouldBe("amount");
        Of(By((SpreadBy)9, "3 L")).Refused!.Problems[0].Field.ShouldBe("by");
        SpreadBench.Of(By(SpreadBy.Square, "3 L"), Compost, [], Materials.All, UnitSystem.Metric).Refused!.Problems[0].Field
            .ShouldBe("beds");
    }

    [Theory]
    [InlineData(0.07, "the bottom of a barrow")]
    [InlineData(0.3, "half a barrow")]
    [InlineData(0.5, "half a barrow")]
    [InlineData(1, "1 barrow")]
    [InlineData(1.2, "1½ barrows")]
    [InlineData(22.5, "22½ barrows")]
    public void Barrows_are_counted_by_halves(double barrows, string says) => SpreadSays.Barrows(barrows).ShouldBe(says);

    [Fact]
    public void A_square_foot_is_not_a_square_metre() =>
        SpreadBench.Of(By(SpreadBy.Square, "1 gal"), Compost, [Bed], Materials.All, UnitSystem.UsCustomary).Value.LPerM2
            .ShouldBe(3.785411784 / 0.09290304, 1e-6);

    /// <summary>What is fetched is what the beds get, whatever is asked.</summary>
    [Property]
    public bool What_is_fetched_is_what_the_beds_get(PositiveInt tenths, PositiveInt a, PositiveInt b)
    {
        SolidBed[] beds = [Bed with { AreaM2 = 1 + (a.Get % 500) }, Other with { AreaM2 = 1 + (b.Get % 500) }];
        var read = Of(By(SpreadBy.Square, $"{0.1 + (tenths.Get % 300 / 10.0):0.0} L"), null, beds).Value;
        return Math.Abs(read.Litres - read.Beds.Sum(s => s.Litres)) < 1e-9 * read.Litres
            && Math.Abs(read.Kg - (read.Litres * read.KgPerL)) < 1e-9 * read.Kg
            && Math.Abs((read.LPerM2 * beds.Sum(x => x.AreaM2)) - read.Litres) < 1e-9 * read.Litres;
    }
}
