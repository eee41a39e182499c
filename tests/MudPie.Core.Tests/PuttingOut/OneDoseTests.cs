using MudPie.Core.Ground;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;

namespace MudPie.Core.Tests.PuttingOut;

/// <summary>The same litres for the same thing on the same bed on the same day, whoever is asked.</summary>
public sealed class OneDoseTests
{
    private static readonly Biostimulant Seaweed = Biostimulants.Find("seaweed")!;

    private static LabelRate Label(string text, bool liquid = true) => LabelRates.Read(text, liquid).Value[0];

    private static Dose Of(string? label = null, double? own = null, double area = 20_000) =>
        Doses.Of(new DoseQuestion {
            Kind = Seaweed, Purpose = Purpose.Leaf, AreaM2 = area, MixLPerHa = 500, Label = label is null
            ? null : Label(label), OwnOneIn = own
        });

    [Fact]
    public void The_label_comes_first_then_the_grower_then_the_table()
    {
        Of("5 L/ha", 250).ProductL.ShouldBe(10, 1e-9);
        Of(null, 250).ProductL.ShouldBe(4, 1e-9);
        Of().ProductL.ShouldBe(4, 1e-9);
        (Of("5 L/ha").Whose, Of(null, 250).Whose, Of().Whose).ShouldBe(("the label", "your own rate", "the table"));
    }

    [Theory]
    [InlineData("5 L/ha")]
    [InlineData("4 mL per litre")]
    [InlineData("30 ml per 100 m²")]
    [InlineData("1:300")]
    [InlineData(null)]
    public void A_tank_that_is_told_the_dose_puts_out_the_same_litres(string? label)
    {
        var dose = Of(label, area: 3600);
        var job = TankJob.Of(new TankJobQuestion {
            Purpose = Purpose.Leaf,
            TankL = 100,
            SpareShare = 0,
            RateLPerHa = 500,
            Beds = [new JobBed { Name = "bed", AreaM2 = 3600 }],
            Products = [new JobProduct { Name = "seaweed", Unit = dose.Unit, Basis = dose.TankBasis, Rate = dose.TankRate }],
        }).Value;
        (job.Products.Single().Amount / 1000).ShouldBe(dose.ProductL, 1e-9);
    }

    [Theory]
    [InlineData("4 mL per 2 US gallons", RateBasis.PerLitre, 0.528344, 0.528344, null)]
    [InlineData("3 to 5 mL a can of 10 L, each week", RateBasis.PerLitre, 0.3, 0.5, 7.0)]
    [InlineData("3-5 ml per 10 litres weekly", RateBasis.PerLitre, 0.3, 0.5, 7.0)]
    [InlineData("12 mL per 10 L every 4 weeks", RateBasis.PerLitre, 1.2, 1.2, 28.0)]
    [InlineData("2 L/ha", RateBasis.PerHa, 2000.0, 2000.0, null)]
    [InlineData("1.5 to 3 L per ha fortnightly", RateBasis.PerHa, 1500.0, 3000.0, 14.0)]
    [InlineData("30 ml per 100 m²", RateBasis.Per100M2, 30.0, 30.0, null)]
    [InlineData("5 mL per plant", RateBasis.PerPlant, 5.0, 5.0, null)]
    [InlineData("10 mL a plant monthly", RateBasis.PerPlant, 10.0, 10.0, 30.0)]
    [InlineData("20 ml per kg of seed", RateBasis.PerKgSeed, 20.0, 20.0, null)]
    [InlineData("1 L per m³ of mix", RateBasis.PerM3Mix, 1000.0, 1000.0, null)]
    [InlineData("1:300", RateBasis.OneIn, 301.0, 301.0, null)]
    public void A_label_is_read_in_the_basis_that_it_speaks(string text, RateBasis basis, double low, double high, double? every)
    {
        var rate = Label(text);
        rate.Basis.ShouldBe(basis);
        rate.Low.ShouldBe(low, low * 1e-5);
        rate.High.ShouldBe(high, high * 1e-5);
        rate.EveryDays.ShouldBe(every);
    }

    [Fact]
    public void Several_pairs_of_rate_and_interval_are_kept_as_the_label_gives_them()
    {
        var pairs = LabelRates.Read("3 to 5 mL a can of 10 L, each week; 12 mL monthly", true).Value;
        pairs.Select(p => (p.Low, p.High, p.Basis, p.EveryDays))
            .ShouldBe([(0.3, 0.5, RateBasis.PerLitre, 7.0), (1.2, 1.2, RateBasis.PerLitre, 30.0)]);
        pairs[0].Shown.ShouldBe("3 to 5 mL a can of 10 L, each week");
    }

    [Theory]
    [InlineData("4 mL", "on what?")]
    [InlineData("4 mL per 2 gallons", "US")]
    [InlineData("1,000 mL per ha", "as 1 or as 1000")]
    [InlineData("some per plant", "no number")]
    [InlineData("", "Nothing")]
    [InlineData("5 to 3 mL per plant", "no range")]
    public void What_a_label_leaves_open_is_asked(string text, string says) =>
        LabelRates.Read(text, true).Refused.ShouldNotBeNull().Problems[0].Wrong.ShouldContain(says);

    [Fact]
    public void A_stock_for_an_injector_is_not_refused_for_being_strong_life_in_little()
    {
        InjectorStock.Of(100, 1e-6, 1000, null, false, "mL").Refused.ShouldBeNull();
    }

    [Theory]
    [InlineData("grape", null)]
    [InlineData("grapes, Mustard Red", null)]
    [InlineData("apple Pink Lady", null)]
    [InlineData("lettuce 'Rocket'", null)]
    [InlineData("oilseed rape", "oilseed rape")]
    [InlineData("Beetroots", "beetroot")]
    [InlineData("kale", "kale")]
    [InlineData("cabbages", "cabbage")]
    [InlineData("something", null)]
    public void A_non_host_is_a_crop_and_no_letters_in_a_word(string crop, string? non) => InoculantCourse.NonHost(crop).ShouldBe(non);

    [Theory]
    [InlineData("potatoes", "root")]
    [InlineData("Currants", "tree")]
    [InlineData("hops", "tree")]
    [InlineData("oats and vetch", "grain")]
    [InlineData("dahlia", "flowers")]
    [InlineData("cherries", "tree")]
    public void A_crop_is_known_in_the_plural(string crop, string calendar) => CropCalendars.Of(crop).Id.ShouldBe(calendar);

    [Theory]
    [InlineData(0.1, "does not soak")]
    [InlineData(10, "an ordinary watering")]
    [InlineData(40, "more than an ordinary watering")]
    public void A_drench_is_judged_by_the_depth_it_wets(double mm, string says)
    {
        Drench.Says(mm).ShouldContain(says);
        Drench.DepthCm(10).ShouldBe(6.667, 0.001);
    }

    [Fact]
    public void A_drench_may_go_by_the_plant()
    {
        var job = TankJob.Of(new TankJobQuestion {
            Purpose = Purpose.Root, TankL = 100, SpareShare = 0, BrewL = 20, Dilution = "1:4",
            PerPlantL = 0.5, Beds = [new JobBed { Name = "hops", AreaM2 = 900, Plants = 120 }]
        }).Value;
        job.MixL.ShouldBe(60, 1e-9);
        job.Beds[0].LitresAPlant.ShouldBe(0.5);
        job.Verdict.Tone.ShouldBe(Tone.Go);
        TankJob.Of(new TankJobQuestion {
            Purpose = Purpose.Root, TankL = 100, BrewL = 20, Dilution = "1:4", PerPlantL = 0.5,
            Beds = [new JobBed { Name = "hops", AreaM2 = 900 }]
        }).Refused.ShouldNotBeNull().Problems[0].Field.ShouldBe("beds[0].plants");
    }

    [Fact]
    public void Rounding_never_shows_minus_nought_and_one_figure_is_one_figure()
    {
        MudPie.Core.Workings.Say.Fixed(-0.04, 1).ShouldBe("0.0");
        MudPie.Core.Workings.Say.Number(-0.0000000000001).ShouldBe("0");
        MudPie.Core.Workings.Say.Number(1102.5).ShouldBe("1103");
        Units.Show(-1e-15, Dimension.Volume, UnitSystem.Metric).ShouldBe("0 mL");
        MudPie.Core.Workings.Say.Ago(0.0006).ShouldBe("just now");
    }
}
