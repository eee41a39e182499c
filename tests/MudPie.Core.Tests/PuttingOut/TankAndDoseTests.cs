using System.Text.Json;
using FsCheck.Xunit;
using MudPie.Core.Almanac;
using MudPie.Core.PuttingOut;

namespace MudPie.Core.Tests.PuttingOut;

/// <summary>Tanks, sprayers, organisms, injectors and the sun, against figures worked by hand and an independent ephemeris.</summary>
public class TankAndDoseTests
{
    [Fact]
    public void Full_tanks_then_the_part_tank_with_its_own_amounts()
    {
        var a = TankPlan.Of(new TankPlanQuestion { AreaM2 = 3600, RateLPerHa = 300, TankL = 60, OneIn = 6, SpareShare = 0 }).Value;
        a.Loads.Select(l => Math.Round(l.TotalL, 6)).ShouldBe([60, 48]);
        a.Loads.Select(l => Math.Round(l.TeaL, 6)).ShouldBe([10, 8]);
        a.TeaPer100M2.ShouldBe(0.5, 1e-9);
    }

    [Fact]
    public void One_to_fifty_on_a_hectare_is_called_an_irrigation_and_no_knapsack_is_filled_three_thousand_times()
    {
        TankPlan.Of(new TankPlanQuestion { AreaM2 = 10_000, RateLPerHa = 50_000, TankL = 15, OneIn = 51 }).Refused!.Problems[0].Wrong
            .ShouldContain("3500 fillings");
        var deep = TankPlan.Of(new TankPlanQuestion { AreaM2 = 500, RateLPerHa = 80_000, TankL = 1000, OneIn = 51, SpareShare = 0 }).Value;
        deep.Millimetres.ShouldBe(8, 1e-9);
        deep.Verdict.Sentence.ShouldContain("irrigation");
    }

    [Property(MaxTest = 120)]
    public void What_is_filled_is_what_lies_on_the_ground_and_the_spare(ushort area, byte rate, byte tank, byte oneIn)
    {
        var q = new TankPlanQuestion {
            AreaM2 = 1 + area, RateLPerHa = 100 + (rate * 3), TankL = 40 + (tank * 4),
            OneIn = 1 + (oneIn / 10.0)
        };
        TankPlan.Of(q).Match(
            w =>
            {
                w.Value.Loads.Sum(l => l.TotalL).ShouldBe(w.Value.TotalL, 1e-6);
                w.Value.Loads.Sum(l => l.TeaL + l.WaterL).ShouldBe(w.Value.TeaL + w.Value.WaterL, 1e-6);
                (w.Value.TotalL - w.Value.SpareL).ShouldBe(q.AreaM2!.Value * q.RateLPerHa!.Value / 10_000, 1e-6);
                w.Value.Loads.ShouldAllBe(l => l.TotalL > 0 && l.TotalL <= q.TankL + 1e-6);
                return true;
            },
            refused => refused.Problems[0].Field == "tankL").ShouldBeTrue();
    }

    [Fact]
    public void A_boom_by_its_nozzle_and_a_knapsack_by_a_square()
    {
        SprayerRate.Of(new SprayerQuestion { NozzleLPerMin = 0.8, SpeedKmPerH = 6, SpacingM = 0.5 }).Value.LPerHa.ShouldBe(160, 1e-9);
        SprayerRate.Of(new SprayerQuestion { UsedL = 0.75 }).Value.LPerHa.ShouldBe(300, 1e-9);
        SprayerRate.Of(new SprayerQuestion { NozzleLPerMin = 0, SpeedKmPerH = 90 }).Refused!.Problems.Select(p => p.Field)
            .ShouldBe(["nozzleLPerMin", "speedKmPerH", "spacingM"]);
    }

    private static InoculantQuestion Spores => new() {
        Target = 1e6, Per = "plant", Count = 240, LabelCount = 2e8, LabelPer = "mL",
        ViableShare = 0.5
    };

    [Fact]
    public void Organisms_decide_and_the_label_stands_beside()
    {
        InoculantDose.Of(Spores).Value.Amount.ShouldBe(2.4, 1e-9);
        var a = InoculantDose.Of(Spores with { LabelDose = 0.02, Price = 60 }).Value;
        a.ByLabel.ShouldBe(4.8);
        a.CostPer1E9!.Value.ShouldBe(0.06 / (2e8 * 0.5) * 1e9, 1e-9);
        InoculantDose.Of(Spores with { LabelPer = null }).Refused!.Problems[0].Wrong.ShouldContain("per");
        InoculantDose.Of(Spores with { Target = -1, Count = double.NaN, Per = "field" }).Refused!.Problems.Select(p => p.Field)
            .ShouldBe(["target", "count", "per"]);
    }

    [Fact]
    public void Living_cells_fall_with_age_and_warmth_and_spores_hardly()
    {
        InoculantDose.Viable(LifeForm.Living, 90, 20).ShouldBe(0.5, 1e-12);
        InoculantDose.Viable(LifeForm.Living, 90, 10).ShouldBe(Math.Pow(0.5, 0.5), 1e-12);
        InoculantDose.Viable(LifeForm.Spores, 365, 20).ShouldBeGreaterThan(0.9);
        InoculantDose.Of(Spores with { ViableShare = null, Kind = LifeForm.Living, AgeDays = 90, KeptC = 20 }).Value.Amount
            .ShouldBe(2.4, 1e-9);
        InoculantDose.Of(Spores with { ViableShare = null, Kind = LifeForm.Living, AgeDays = 3000, KeptC = 35 }).Refused!.Problems[0].Field
            .ShouldBe("ageDays");
    }

    [Fact]
    public void An_injectors_stock_and_whether_it_outlives_its_biology()
    {
        var a = InjectorStock.Of(100, 0.2, 500).Value;
        (a.StockL, a.ProductPerL, a.Product).ShouldBe((5, 20, 100));
        InjectorStock.Of(64, 0.2, 20_000, 6, withFeeds: true).Value.Verdict.Tone.ShouldBe(Tone.Stop); // 55 h
        InjectorStock.Of(2000, 1, 10).Refused!.Problems[0].Field.ShouldBe("dosePerL");
    }

    [Fact]
    public void The_sun_rises_and_sets_within_a_minute_of_an_independent_ephemeris_and_polar_days_are_said()
    {
        using var json = JsonDocument.Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Reference", "sky-cases.json")));
        foreach (var c in json.RootElement.GetProperty("sun").EnumerateArray())
        {
            var a = SunTimes.From(c.GetProperty("latitude").GetDouble(), c.GetProperty("longitude").GetDouble(), c.GetProperty("fromUtc")
                .GetDateTimeOffset()).Value;
            Math.Abs((a.NextRise!.Value - c.GetProperty("nextRise").GetDateTimeOffset()).TotalSeconds).ShouldBeLessThan(60, c.ToString());
            Math.Abs((a.NextSet!.Value - c.GetProperty("nextSet").GetDateTimeOffset()).TotalSeconds).ShouldBeLessThan(60, c.ToString());
            a.NoonElevationDeg.ShouldBe(c.GetProperty("noonElevationDeg").GetDouble(), 0.2, c.ToString());
        }

        SunTimes.From(75, 20, new(2026, 6, 20, 0, 0, 0, TimeSpan.Zero)).Value.State.ShouldBe("polarDay");
        SunTimes.From(75, 20, new(2026, 12, 20, 0, 0, 0, TimeSpan.Zero)).Value.ShouldSatisfyAllConditions(s =>
            s.State.ShouldBe("polarNight"), s => s.NextRise.ShouldBeNull());
        SunTimes.From(91, double.NaN, null).Refused!.Problems.Select(p => p.Field).ShouldBe(["latitude", "longitude", "fromUtc"]);
    }
}
