using MudPie.Core.Brewing;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;

namespace MudPie.Core.Tests.Brewing;

/// <summary>Nonsense, rule by rule: never NaN, never a silent clamp, always the field and the way out.</summary>
public class RefusalTests
{
    private static BrewQuestion Bucket => BrewRunTests.Bucket;

    private static void Names(Refusal? refusal, string field)
    {
        refusal.ShouldNotBeNull();
        refusal.Problems.ShouldAllBe(p => p.Wrong.Length > 3 && p.WayOut.Length > 3);
        refusal.Problems.Select(p => p.Field).ShouldContain(field);
    }

    public static TheoryData<double> Nonsense => [double.NaN, double.PositiveInfinity, double.NegativeInfinity, -1, 1e12];

    [Theory]
    [MemberData(nameof(Nonsense))]
    public void A_brew(double bad)
    {
        Names(BrewRun.Of(Bucket with { VolumeL = bad }).Refused, "volumeL");
        Names(BrewRun.Of(Bucket with { DepthM = bad }).Refused, "depthM");
        Names(BrewRun.Of(Bucket with { AirLpm = bad }).Refused, "airLpm");
        Names(BrewRun.Of(Bucket with { TemperatureC = bad }).Refused, "temperatureC");
        Names(BrewRun.Of(Bucket with { SwingC = bad }).Refused, "swingC");
        Names(BrewRun.Of(Bucket with { StartHour = bad }).Refused, "startHour");
        Names(BrewRun.Of(Bucket with { Hours = bad }).Refused, "hours");
        Names(BrewRun.Of(Bucket with { AirOffAtH = bad }).Refused, "airOffAtH");
        Names(BrewRun.Of(Bucket with { TemperatureByHour = [20, bad] }).Refused, "temperatureByHour[1]");
        Names(BrewRun.Of(Bucket with { Sources = [new SourceAmount { Kind = "compost", Litres = bad }] }).Refused, "sources[0].litres");
        Names(BrewRun.Of(Bucket with { Foods = [new FoodAmount { Kind = "molasses", Ml = bad }] }).Refused, "foods[0].ml");
        Names(BrewRun.Of(Bucket with { Foods = [new FoodAmount { Kind = "molasses", Ml = 1, AtH = bad }] }).Refused, "foods[0].atH");
        Names(BrewRun.Of(Bucket with { AirChanges = [new AirFrom { AtH = bad, AirLpm = 5 }] }).Refused, "airChanges[0].atH");
        Names(BrewRun.Of(Bucket with { AirChanges = [new AirFrom { AtH = 5, AirLpm = bad }] }).Refused, "airChanges[0].airLpm");
        Names(BrewRun.Of(Bucket with { Outlets = [new OutletAir { Diffuser = "airStone", DepthM = 0.3, AirLpm = bad }] }).Refused,
            "outlets[0].airLpm");
    }

    [Theory]
    [MemberData(nameof(Nonsense))]
    public void A_forecast(double bad)
    {
        ForecastQuestion Ask(OxygenAt reading) => new(Bucket) { Members = 20, Readings = [reading] };
        Names(BrewForecast.Of(Ask(new OxygenAt { H = bad, MgPerL = 8 })).Refused, "readings[0].h");
        Names(BrewForecast.Of(Ask(new OxygenAt { H = 3, MgPerL = bad })).Refused, "readings[0].mgPerL");
        Names(BrewForecast.Of(new ForecastQuestion(Bucket) { UseAtH = bad }).Refused, "useAtH");
        Names(BrewForecast.Of(new ForecastQuestion(Bucket) { EveryH = bad }).Refused, "everyH");
        Names(BrewForecast.Of(new ForecastQuestion(Bucket) { Members = -5 }).Refused, "members");
        Names(BrewForecast.Of(new ForecastQuestion(Bucket) {
            Prior = new Prior([.. Enumerable.Repeat(0.0, 9)],
            [.. Enumerable.Repeat(bad, 9)])
        }).Refused, "prior");
    }

    [Theory]
    [MemberData(nameof(Nonsense))]
    public void The_air_bench(double bad)
    {
        AirBenchQuestion bench = new() {
            VolumeL = 17, Pumps = [new BenchPump { OpenLpm = 6, ShutOffKPa = 20 }],
            Outlets = [new BenchOutlet { Diffuser = "airStone", DepthM = 0.3 }]
        };
        Names(AirBench.Of(bench with { VolumeL = bad }).Refused, "volumeL");
        Names(AirBench.Of(bench with { Pumps = [bench.Pumps[0] with { OpenLpm = bad }] }).Refused, "pumps[0].openLpm");
        Names(AirBench.Of(bench with { Pumps = [bench.Pumps[0] with { ShutOffKPa = bad }] }).Refused, "pumps[0].shutOffKPa");
        Names(AirBench.Of(bench with { Pumps = [bench.Pumps[0] with { Curve = [new(bad, 0), new(0, 20)] }] }).Refused, "pumps[0].curve");
        Names(AirBench.Of(bench with { Outlets = [bench.Outlets[0] with { DepthM = bad }] }).Refused, "outlets[0].depthM");
        Names(AirBench.Of(bench with { Outlets = [bench.Outlets[0] with { Share = bad }] }).Refused, "outlets[0].share");
        Names(AirBench.Of(bench with { Outlets = [bench.Outlets[0] with { LossKPa = bad }] }).Refused, "outlets[0].lossKPa");
        Names(AirBench.Of(bench with { Outlets = [bench.Outlets[0] with { HoseM = bad }] }).Refused, "outlets[0].hoseM");
        Names(AirBench.Of(bench with { Outlets = [bench.Outlets[0] with { HoseMm = bad }] }).Refused, "outlets[0].hoseMm");
        Names(AirBench.Of(bench with { FillL = bad, FillS = 10 }).Refused, "fillL");
        Names(AirBench.Of(bench with { FillL = 1, FillS = bad }).Refused, "fillS");
    }

    [Theory]
    [MemberData(nameof(Nonsense))]
    public void Water_source_ground_and_extract(double bad)
    {
        Names(WaterBench.Of([new WaterPart { Kind = WaterKind.Mains, Litres = bad, ChlorineMgPerL = 1 }]).Refused, "parts[0].litres");
        Names(WaterBench.Of([new WaterPart { Kind = WaterKind.Mains, Litres = 10, ChlorineMgPerL = bad }]).Refused,
            "parts[0].chlorineMgPerL");
        Names(WaterClearing.Dose(bad, 1, "ascorbic").Refused, "volumeL");
        Names(WaterClearing.Dose(10, bad, "ascorbic").Refused, "chlorineMgPerL");
        Names(SourceGate.Judge(new SourceAnswers { AgeMonths = bad }).Refused, "ageMonths");
        Names(SourceGate.Judge(new SourceAnswers { FungalToBacterial = bad }).Refused, "fungalToBacterial");
        Names(GroundAlive.CottonStrip(bad, 0.5).Refused, "weeks");
        Names(GroundAlive.CottonStrip(7, bad).Refused, "goneShare");
        Names(GroundAlive.Co2Burst(bad).Refused, "mgCPerKg");
        Names(ExtractStrength.Of([new ExtractLoad { Litres = bad, Seconds = 90 }], 20).Refused, "loads[0].litres");
        Names(ExtractStrength.Of([new ExtractLoad { Litres = 1, Seconds = bad }], 20).Refused, "loads[0].seconds");
        Names(ExtractStrength.Of([new ExtractLoad { Litres = 1, Seconds = 90 }], bad).Refused, "volumeL");
        Names(Recipes.Wrong(Recipes.Starting[0] with { ForLitres = bad }), "forLitres");
    }

    [Theory]
    [MemberData(nameof(Nonsense))]
    public void Asking_and_after(double bad)
    {
        Names(BrewBackwards.Of(Bucket, bad).Refused, "readyInH");
        Names(BrewWhatIf.Of(Bucket, [new WhatIf { Kind = "powerFails", AtH = bad }]).Refused, "whatIfs[0].atH");
        Names(BrewWhatIf.Of(Bucket, [new WhatIf { Kind = "cooler", Amount = bad }]).Refused, "whatIfs[0].amount");
        Names(BrewWhatIf.Of(Bucket, [new WhatIf { Kind = "moreFood", Amount = bad }]).Refused, "whatIfs[0].amount");
        Names(BrewSchools.Of(Bucket, bad, Bias.Balanced).Refused, "houseHours");
        Names(AfterAir.Of(Bucket, bad).Refused, "stopAtH");
        Names(AfterAir.Of(Bucket, 5, new BatteryPump { AirLpm = bad, Hours = 2 }).Refused, "battery.airLpm");
        Names(PracticeBrew.Of(new PracticeQuestion { Situation = "warm", NowH = bad }).Refused, "nowH");
        Names(PracticeBrew.Of(new PracticeQuestion {
            Situation = "warm", NowH = 3,
            Deeds = [new PracticeDeed { AtH = 1, Kind = "feed", Food = "molasses", Ml = bad }]
        }).Refused, "deeds[0].ml");
    }

    [Theory]
    [MemberData(nameof(Nonsense))]
    public void Lens_tank_and_dose(double bad)
    {
        MicroscopeQuestion drop = new() { Counts = [5], FieldNumberMm = 18, Objective = 40, CoverSlipMm2 = 324, DropMl = 0.05 };
        Names(Microscope.Count(drop with { FieldNumberMm = bad }).Refused, "fieldNumberMm");
        Names(Microscope.Count(drop with { Objective = bad }).Refused, "objective");
        Names(Microscope.Count(drop with { CoverSlipMm2 = bad }).Refused, "coverSlipMm2");
        Names(Microscope.Count(drop with { DropMl = bad }).Refused, "dropMl");
        Names(Microscope.Count(drop with { Dilution = bad }).Refused, "dilution");
        Names(Microscope.Count(drop with { Counts = [3, bad] }).Refused, "counts[1]");
        Names(TankPlan.Of(new TankPlanQuestion { AreaM2 = bad, RateLPerHa = 100, TankL = 10 }).Refused, "areaM2");
        Names(TankPlan.Of(new TankPlanQuestion { AreaM2 = 100, RateLPerHa = bad, TankL = 10 }).Refused, "rateLPerHa");
        Names(TankPlan.Of(new TankPlanQuestion { AreaM2 = 100, RateLPerHa = 100, TankL = bad }).Refused, "tankL");
        Names(TankPlan.Of(new TankPlanQuestion { AreaM2 = 100, RateLPerHa = 100, TankL = 10, OneIn = bad }).Refused, "oneIn");
        Names(SprayerRate.Of(new SprayerQuestion { UsedL = bad }).Refused, "usedL");
        Names(InjectorStock.Of(bad, 0.2, 100).Refused, "ratio");
        Names(InjectorStock.Of(100, 0.2, bad).Refused, "feedL");
    }
}
