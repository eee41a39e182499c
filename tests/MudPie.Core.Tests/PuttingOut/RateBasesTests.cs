using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.PuttingOut;

public class RateBasesTests
{
    [Theory]
    [InlineData(RateBasis.PerHa, 2000, 14.4)]
    [InlineData(RateBasis.Per100M2, 20, 14.4)]
    [InlineData(RateBasis.PerLitre, 0.5, 15.0)]
    [InlineData(RateBasis.OneIn, 301, 99.66777)]
    [InlineData(RateBasis.PerPlant, 4, 160.0)]
    [InlineData(RateBasis.PerKgSeed, 4, null)]
    [InlineData(RateBasis.PerM3Mix, 4, null)]
    public void What_a_rate_comes_to_on_72_square_metres_of_40_plants_and_30_litres(RateBasis basis, double rate, double? ml)
    {
        var on = basis.On(rate, 72, 30, 40);
        (on is null).ShouldBe(ml is null);
        (on ?? 0).ShouldBe(ml ?? 0, 1e-4);
    }

    [Fact]
    public void Plants_that_were_not_counted_tell_nothing() => RateBasis.PerPlant.On(4, 72, 30).ShouldBeNull();

    [Theory]
    [InlineData("ha", RateBasis.PerHa, 2000, 2000.0)]
    [InlineData("ha", RateBasis.Per100M2, 20, 2000.0)]
    [InlineData("m2", RateBasis.PerHa, 2000, 0.2)]
    [InlineData("m2", RateBasis.Per100M2, 20, 0.2)]
    [InlineData("litre", RateBasis.PerLitre, 2, 2.0)]
    [InlineData("litre", RateBasis.OneIn, 500, 2.0)]
    [InlineData("plant", RateBasis.PerPlant, 5, 5.0)]
    [InlineData("kgSeed", RateBasis.PerKgSeed, 5, 5.0)]
    [InlineData("plant", RateBasis.PerHa, 2000, null)]
    [InlineData("ha", RateBasis.PerPlant, 5, null)]
    [InlineData("kgSeed", RateBasis.PerLitre, 5, null)]
    [InlineData(null, RateBasis.PerLitre, 5, null)]
    public void A_rate_speaks_only_of_what_it_is_on(string? per, RateBasis basis, double rate, double? is_) =>
        basis.Per(rate, per).ShouldBe(is_);

    [Theory]
    [InlineData("acre", RateBasis.PerHa, 2000, 809.371)] // an acre is 4,046.856 m²
    [InlineData("ft2", RateBasis.Per100M2, 20, 0.0185806)]
    [InlineData("gallon", RateBasis.PerLitre, 2, 7.570824)]
    [InlineData("lbSeed", RateBasis.PerKgSeed, 5, 2.267962)]
    [InlineData("plant", RateBasis.PerPlant, 5, 5.0)]
    [InlineData("gallon", RateBasis.PerPlant, 5, null)]
    public void A_labels_rate_on_what_a_dose_is_asked_for(string each, RateBasis basis, double rate, double? is_)
    {
        var label = DoseEach.Read(each)!.Label(basis, rate);
        (label is null).ShouldBe(is_ is null);
        (label ?? 0).ShouldBe(is_ ?? 0, 1e-3);
    }

    [Theory]
    [InlineData("perAcre", "1 qt", RateBasis.PerHa, 2338.5)]
    [InlineData("per1000ft2", "1 fl oz", RateBasis.Per100M2, 31.833)]
    [InlineData("perGallon", "1 fl oz", RateBasis.PerLitre, 7.8125)]
    [InlineData("perHa", "2 L", RateBasis.PerHa, 2000)]
    public void A_rate_on_an_acre_or_in_a_gallon_is_the_same_beside_a_tank_and_on_a_label(string word, string amount, RateBasis basis,
        double rate)
    {
        var fields = new TypedFields(UnitSystem.UsCustomary);
        var item = TankItems.Product(new TankItem { InputId = 1, Rate = amount, Basis = word }, "items[0]", "fish", true, fields)!;
        var label = LabelRates.Read(RateBases.Typed(word, amount), liquid: true, UnitSystem.UsCustomary).Value.Single();
        (item.Basis, label.Basis).ShouldBe((basis, basis));
        item.Rate!.Value.ShouldBe(rate, 0.05);
        label.Low.ShouldBe(item.Rate.Value, 1e-6);
        RateBases.Typed("perBushel", amount).ShouldBe(amount);
        RateBases.Read("perBushel").ShouldBeNull();
    }

    [Fact]
    public void What_was_chosen_beside_a_bare_amount_reads_as_a_label_would_say_it()
    {
        foreach (var basis in Enum.GetValues<RateBasis>())
        {
            var typed = basis.Typed(basis == RateBasis.OneIn ? "300" : "4 mL");
            LabelRates.Read(typed, liquid: true).Value.Single().Basis.ShouldBe(basis, typed);
        }
    }

    [Theory]
    [InlineData(RateBasis.PerHa, "2 L a hectare")]
    [InlineData(RateBasis.Per100M2, "2 L on 100 m²")]
    [InlineData(RateBasis.PerLitre, "2 L a litre")]
    [InlineData(RateBasis.PerPlant, "2 L a plant")]
    [InlineData(RateBasis.PerKgSeed, "2 L a kilo of seed")]
    [InlineData(RateBasis.PerM3Mix, "2 L a cubic metre of mix")]
    [InlineData(RateBasis.OneIn, "2 L one part in so many")]
    public void Each_is_said_in_words(RateBasis basis, string said) => $"2 L {basis.Says()}".ShouldBe(said);

    private static TankJobAnswer Job(RateBasis basis, double rate, double spare = 0.1) => TankJob.Of(new TankJobQuestion {
        Purpose = Purpose.Leaf, TankL = 15, SpareShare = spare, RateLPerHa = 500,
        Beds = [new JobBed { Name = "Ridge Bed 4", AreaM2 = 72 }, new JobBed { Name = "Ridge Bed 6", AreaM2 = 128 }],
        Products = [new JobProduct { Name = "kelp", Unit = "mL", Basis = basis, Rate = rate }],
    }).Value;

    private static string? Says(string label, RateBasis basis, double rate, UnitSystem units = UnitSystem.Metric)
    {
        var job = Job(basis, rate);
        return LabelRates.Read(label, liquid: true).Value[0].Differs("kelp", job.Products[0], job, units);
    }

    [Theory]
    [InlineData("2 L/ha", RateBasis.PerHa, 2000)]
    [InlineData("2 L/ha", RateBasis.Per100M2, 20)]
    [InlineData("2 to 4 L/ha", RateBasis.PerHa, 4000)]
    [InlineData("4 mL per litre", RateBasis.PerHa, 2000)] // 500 L/ha of mix
    [InlineData("1:249", RateBasis.PerHa, 2000)]
    [InlineData("5 mL a plant", RateBasis.PerHa, 9000)] // speaks of no ground
    public void A_tank_that_keeps_to_the_label_is_told_nothing(string label, RateBasis basis, double rate) =>
        Says(label, basis, rate).ShouldBeNull();

    [Theory]
    [InlineData("2 L/ha", 2012, "the label (2 L/ha) gives 40 mL on these beds")]
    [InlineData("2 L/ha", 1988, "times as much")]
    [InlineData("2 L/ha", 4000, "this tank gives 80 mL, 2 times as much")]
    [InlineData("2 to 4 L/ha", 1500, "gives 40 mL to 80 mL on these beds; this tank gives 30 mL, 0.5 times as much")]
    [InlineData("1:249", 4000, "this tank gives 80 mL, 2 times as much")]
    public void One_that_does_not_is_told_what_it_changes_and_that_the_label_is_law(string label, double rate, string says)
    {
        var said = Says(label, RateBasis.PerHa, rate);
        said.ShouldNotBeNull().ShouldStartWith("kelp: the label");
        said.ShouldContain(says);
        said.ShouldEndWith("Where the product is registered its label is law.");
    }

    [Fact]
    public void The_spare_is_no_part_of_what_a_label_gives()
    {
        var job = Job(RateBasis.PerHa, 2000, spare: 0.5);
        job.Products[0].Amount.ShouldBe(60, 1e-9);
        LabelRates.Read("2 L/ha", liquid: true).Value[0].Differs("kelp", job.Products[0], job, UnitSystem.Metric).ShouldBeNull();
    }

    [Fact]
    public void It_is_said_in_the_grower_s_units() =>
        Says("2 L/ha", RateBasis.PerHa, 8000, UnitSystem.UsCustomary).ShouldNotBeNull().ShouldContain("fl oz");

    private static (JobProduct? Product, IReadOnlyList<FieldProblem> Wrong) Typed(string? rate, string? basis, bool liquid = true,
        UnitSystem units = UnitSystem.Metric)
    {
        var fields = new TypedFields(units);
        var product = TankItems.Product(new TankItem { InputId = 3, Rate = rate, Basis = basis }, "items[0]", "kelp", liquid, fields);
        return (product, fields.Checks.Sound ? [] : fields.Checks.Refusal.Problems);
    }

    [Theory]
    [InlineData("2 L", "perHa", RateBasis.PerHa, 2000)]
    [InlineData("20 mL", "per100m2", RateBasis.Per100M2, 20)]
    [InlineData("4 mL", "perLitre", RateBasis.PerLitre, 4)]
    [InlineData("4 mL", "perPlant", RateBasis.PerPlant, 4)]
    [InlineData("1:300", "oneIn", RateBasis.OneIn, 301)]
    [InlineData("1 in 300", "oneIn", RateBasis.OneIn, 300)]
    [InlineData("1 US qt", "perAcre", RateBasis.PerHa, 2338.49)] // 946.353 mL on 0.404686 ha
    [InlineData("10 mL", "per1000ft2", RateBasis.Per100M2, 10.7639)] // on 0.92903 times 100 m²
    public void A_bottle_in_a_tank_is_read_on_any_basis(string rate, string basis, RateBasis on, double is_)
    {
        var (product, wrong) = Typed(rate, basis);
        wrong.ShouldBeEmpty();
        (product!.Basis, product.Unit, product.Name).ShouldBe((on, "mL", "kelp"));
        product.Rate!.Value.ShouldBe(is_, is_ * 1e-5);
    }

    [Fact]
    public void What_is_weighed_is_told_in_grams()
    {
        var (product, _) = Typed("0.25 kg", "per100m2", liquid: false);
        (product!.Unit, product.Rate).ShouldBe(("g", 250));
    }

    [Theory]
    [InlineData("2 L", null, true, "items[0].basis", "2 L of kelp: per what?")]
    [InlineData("2 L", "perBed", true, "items[0].basis", "2 L of kelp: per what?")]
    [InlineData("2 kg", "perHa", true, "items[0].rate", "“kg” is not a unit that fits here.")]
    [InlineData("2 L", "perHa", false, "items[0].rate", "“l” is not a unit that fits here.")]
    [InlineData("", "perHa", true, "items[0].rate", "")]
    [InlineData("much", "oneIn", true, "items[0].rate", "much")]
    public void What_can_not_be_read_is_named_with_its_way_out(string rate, string? basis, bool liquid, string field, string says)
    {
        var (product, wrong) = Typed(rate, basis, liquid);
        product.ShouldBeNull();
        var one = wrong.ShouldHaveSingleItem();
        one.Field.ShouldBe(field);
        one.Wrong.ShouldContain(says);
        one.WayOut.ShouldNotBeEmpty();
    }

    [Theory]
    [InlineData(RateBasis.PerKgSeed, "mL")]
    [InlineData(RateBasis.PerM3Mix, "mL")]
    [InlineData(RateBasis.OneIn, "g")]
    [InlineData(RateBasis.PerHa, "L")]
    public void A_rate_that_no_tank_can_take_is_refused(RateBasis basis, string unit) => TankJob.Of(new TankJobQuestion {
        Purpose = Purpose.Leaf, TankL = 15, SpareShare = 0, RateLPerHa = 500, Beds = [new JobBed { Name = "Ridge Bed 4", AreaM2 = 72 }],
        Products = [new JobProduct { Name = "kelp", Unit = unit, Basis = basis, Rate = 4 }],
    }).Refused!.Problems.ShouldHaveSingleItem().Field.ShouldBe("products[0].basis");
}
