using MudPie.Core.Brewing;
using MudPie.Core.PuttingOut;

namespace MudPie.Core.Tests.Brewing;

/// <summary>Tables of figures worked outside this code, by a short program in another language from the formulas of
/// docs/science/brewhouse.md.</summary>
public class WorkedOutsideTests
{
    [Theory]
    [InlineData(1, 1, 4, 0.048277)]
    [InlineData(2, 1, 4, 0.096554)]
    [InlineData(5, 1.5, 4, 0.362077)]
    [InlineData(5, 1.5, 5, 0.148307)]
    [InlineData(6, 2, 5, 0.237291)]
    [InlineData(6, 2, 6, 0.114434)]
    [InlineData(10, 2, 6, 0.31601)]
    [InlineData(10, 5, 8, 0.150866)]
    [InlineData(20, 2, 8, 0.271047)]
    [InlineData(20, 5, 10, 0.23478)]
    [InlineData(44, 3, 10, 0.559825)]
    [InlineData(44, 3, 13, 0.160998)]
    [InlineData(60, 3, 8, 2.780337)]
    [InlineData(60, 3, 13, 0.277041)]
    [InlineData(60, 10, 13, 0.92347)]
    [InlineData(88, 4, 13, 0.722042)]
    [InlineData(120, 4, 16, 0.463389)]
    [InlineData(200, 5, 20, 0.490647)]
    [InlineData(300, 5, 25, 0.345626)]
    [InlineData(420, 6, 32, 0.231347)]
    [InlineData(420, 6, 25, 0.747328)]
    [InlineData(1000, 10, 50, 0.211243)]
    [InlineData(2500, 10, 60, 0.441637)]
    [InlineData(0.3, 3, 4, 0.043449)]
    public void Pressure_lost_in_a_hose(double lpm, double metres, double bore, double kPa) => AirBench.HoseLossKPa(lpm, metres, bore)
        .ShouldBe(kPa, Math.Max(1e-6, kPa * 1e-5));

    [Theory]
    [InlineData(6, 20, 1, 0.25, 3, 0, 5, 4.3645)]
    [InlineData(6, 20, 1, 0.28, 3, 1.5, 5, 4.23853)]
    [InlineData(6, 20, 2, 0.28, 3, 1.5, 5, 8.30806)]
    [InlineData(6, 20, 2, 0.28, 3, 4, 4, 7.1174)]
    [InlineData(9, 25, 1, 0.4, 3, 2, 5, 6.41649)]
    [InlineData(60, 32, 1, 0.75, 1, 3, 13, 44.03214)]
    [InlineData(60, 32, 1, 0.75, 1, 3, 8, 41.58933)]
    [InlineData(60, 32, 2, 0.75, 1, 3, 13, 86.69064)]
    [InlineData(60, 32, 2, 0.75, 1, 10, 10, 72.07234)]
    [InlineData(60, 32, 3, 0.75, 4, 5, 13, 108.77197)]
    [InlineData(420, 40, 1, 1.1, 4, 6, 32, 263.65775)]
    [InlineData(420, 40, 1, 1.1, 4, 6, 20, 255.25876)]
    [InlineData(420, 40, 2, 1.5, 4, 6, 32, 441.78275)]
    [InlineData(8, 18, 1, 0.3, 3, 0.5, 4, 5.30223)]
    [InlineData(3, 12, 1, 0.2, 0.2, 1, 4, 2.43034)]
    [InlineData(120, 50, 1, 2, 4, 8, 16, 62.61553)]
    public void Where_pumps_and_an_outlet_meet(double open, double shutOff, int pumps, double depth, double loss, double hose, double bore,
        double lpm) =>
        AirBench.Of(new AirBenchQuestion {
            VolumeL = 100,
            Pumps = [new BenchPump { OpenLpm = open, ShutOffKPa = shutOff, Count = pumps }],
            Outlets = [new BenchOutlet { Diffuser = "airStone", DepthM = depth, LossKPa = loss, HoseM = hose, HoseMm = bore }],
        }).Value.TotalLpm.ShouldBe(lpm, 1e-3);

    [Theory]
    [InlineData(1, 30, 20, 2.075982)]
    [InlineData(1, 60, 20, 3.290024)]
    [InlineData(1, 90, 20, 4.0)]
    [InlineData(1, 120, 20, 4.415196)]
    [InlineData(1, 180, 20, 4.8)]
    [InlineData(0.5, 90, 10, 4.0)]
    [InlineData(0.85, 90, 20, 3.4)]
    [InlineData(2, 45, 60, 1.842621)]
    [InlineData(6, 90, 180, 2.666667)]
    [InlineData(6, 120, 180, 2.943464)]
    [InlineData(10, 300, 765, 1.301074)]
    [InlineData(0.1, 5, 1, 0.855324)]
    public void Strength_of_one_load(double litres, double seconds, double volume, double per100) =>
        ExtractStrength.Of([new ExtractLoad { Litres = litres, Seconds = seconds }], volume).Value.LitresPer100L.ShouldBe(per100, 1e-5);

    [Theory]
    [InlineData(4, 0.1, 0.168381)]
    [InlineData(5, 0.2, 0.268312)]
    [InlineData(6, 0.2, 0.229206)]
    [InlineData(6, 0.5, 0.554551)]
    [InlineData(7, 0.25, 0.25)]
    [InlineData(7, 0.6, 0.6)]
    [InlineData(8, 0.3, 0.268085)]
    [InlineData(8, 0.65, 0.60092)]
    [InlineData(10, 0.5, 0.384428)]
    [InlineData(12, 0.6, 0.41404)]
    [InlineData(16, 0.9, 0.634826)]
    [InlineData(2, 0.1, 0.30841)]
    public void Cotton_scaled_to_seven_weeks(double weeks, double gone, double atSeven)
    {
        var line = GroundAlive.CottonStrip(weeks, gone).Worked;
        line.Value.Life.ShouldBe(atSeven switch { < 0.25 => Life.Poor, < 0.6 => Life.Middling, _ => Life.Living });
        line.Working[0].Result.ShouldStartWith(Workings.Say(atSeven));
    }

    [Theory]
    [InlineData(LifeForm.Living, 0, 20, 1.0)]
    [InlineData(LifeForm.Living, 30, 20, 0.793700526)]
    [InlineData(LifeForm.Living, 90, 20, 0.5)]
    [InlineData(LifeForm.Living, 180, 20, 0.25)]
    [InlineData(LifeForm.Living, 90, 4, 0.795604324)]
    [InlineData(LifeForm.Living, 90, 10, 0.707106781)]
    [InlineData(LifeForm.Living, 90, 30, 0.25)]
    [InlineData(LifeForm.Living, 14, 40, 0.649669453)]
    [InlineData(LifeForm.Spores, 365, 20, 0.903752727)]
    [InlineData(LifeForm.Spores, 730, 20, 0.816768991)]
    [InlineData(LifeForm.Spores, 730, 35, 0.564129888)]
    [InlineData(LifeForm.Spores, 2500, 20, 0.5)]
    [InlineData(LifeForm.Propagules, 180, 15, 0.838243653)]
    [InlineData(LifeForm.Propagules, 500, 20, 0.5)]
    [InlineData(LifeForm.Propagules, 250, 30, 0.5)]
    public void Share_still_alive(LifeForm kind, double days, double celsius, double share) => InoculantDose.Viable(kind, days, celsius)
        .ShouldBe(share, 1e-8);

    [Theory]
    [InlineData(36, 2000, 15, 6, 0, 1, 7.2, 1.2, 7.2)]
    [InlineData(108, 2000, 15, 6, 0.05, 2, 22.68, 3.78, 7.68)]
    [InlineData(240, 3000, 15, 2, 0.05, 6, 75.6, 37.8, 0.6)]
    [InlineData(430, 1000, 15, 6, 0.1, 4, 47.3, 7.883333, 2.3)]
    [InlineData(1000, 300, 15, 6, 0.05, 3, 31.5, 5.25, 1.5)]
    [InlineData(5000, 300, 60, 6, 0.05, 3, 157.5, 26.25, 37.5)]
    [InlineData(5000, 200, 400, 11, 0.03, 1, 103.0, 9.363636, 103.0)]
    [InlineData(14000, 150, 400, 6, 0.05, 1, 220.5, 36.75, 220.5)]
    [InlineData(14000, 200, 400, 21, 0.02, 1, 285.6, 13.6, 285.6)]
    [InlineData(10000, 50, 60, 1, 0, 1, 50.0, 50.0, 50.0)]
    [InlineData(25, 10000, 15, 2, 0.05, 2, 26.25, 13.125, 11.25)]
    [InlineData(9, 5000, 10, 6, 0.1, 1, 4.95, 0.825, 4.95)]
    public void Tanks(double area, double rate, double tank, double oneIn, double spare, int loads, double total, double tea, double last)
    {
        var a = TankPlan.Of(new TankPlanQuestion {
            AreaM2 = area, RateLPerHa = rate, TankL = tank, OneIn = oneIn,
            SpareShare = spare
        }).Value;
        a.Loads.Count.ShouldBe(loads);
        a.TotalL.ShouldBe(total, 1e-5);
        a.TeaL.ShouldBe(tea, 1e-5);
        a.Loads[^1].TotalL.ShouldBe(last, 1e-5);
    }

    [Theory]
    [InlineData(0.4, 4, 0.5, 120.0)]
    [InlineData(0.6, 5, 0.5, 144.0)]
    [InlineData(0.8, 6, 0.5, 160.0)]
    [InlineData(1.2, 6, 0.5, 240.0)]
    [InlineData(1.2, 8, 0.5, 180.0)]
    [InlineData(1.6, 8, 0.5, 240.0)]
    [InlineData(2, 10, 0.5, 240.0)]
    [InlineData(0.5, 3, 1, 100.0)]
    [InlineData(1, 4.5, 1.2, 111.111111)]
    [InlineData(0.3, 2, 0.25, 360.0)]
    public void A_booms_rate(double nozzle, double speed, double spacing, double rate) =>
        SprayerRate.Of(new SprayerQuestion { NozzleLPerMin = nozzle, SpeedKmPerH = speed, SpacingM = spacing }).Value.LPerHa
            .ShouldBe(rate, 1e-5);

    [Theory]
    [InlineData(18, 40, 324, 0.05, 1, 8, 325949.3235)]
    [InlineData(18, 40, 324, 0.05, 10, 8, 3259493.2345)]
    [InlineData(20, 40, 324, 0.05, 1, 8, 264018.952)]
    [InlineData(22, 40, 576, 0.05, 5, 3, 727324.9366)]
    [InlineData(18, 10, 324, 0.1, 1, 2, 2546.4791)]
    [InlineData(20, 100, 324, 0.02, 50, 12, 309397209.3706)]
    [InlineData(18, 4, 576, 0.1, 1, 1, 362.1659)]
    [InlineData(26.5, 20, 484, 0.03, 2, 6, 140405.3689)]
    public void Per_millilitre_from_a_drop(double fieldNumber, double objective, double slip, double drop, double dilution, double mean,
        double perMl) =>
        Microscope.Count(new MicroscopeQuestion {
            Counts = [mean, mean], FieldNumberMm = fieldNumber, Objective = objective,
            CoverSlipMm2 = slip, DropMl = drop, Dilution = dilution
        })
            .Value.PerMl.ShouldBe(perMl, perMl * 1e-7);

    [Theory]
    [InlineData(60, 0.6, 120, 0, 0.2, 90.0, 252.0)]
    [InlineData(10, 2, 10, 0, 1.0, 50.0, 140)]
    [InlineData(180, 0.6, 0.1, 0, 0.599666852, 270.0, 756.0)]
    [InlineData(5, 4, 15, 0.2, 1.15, 57.5, 161.0)]
    [InlineData(100, 1, 300, 0.1, 0.325, 325.0, 910.0)]
    [InlineData(20, 0.5, 20, 0.5, 0.5, 50.0, 140.0)]
    public void Two_waters_in_one_vessel(double a, double strengthA, double b, double strengthB, double mixed, double ascorbic,
        double thiosulfate)
    {
        var mix = WaterBench.Of([new WaterPart { Kind = WaterKind.Mains, Litres = a, ChlorineMgPerL = strengthA },
            new WaterPart { Kind = WaterKind.Mains, Litres = b, ChlorineMgPerL = strengthB }]).Value;
        mix.MgPerL.ShouldBe(mixed, 1e-8);
        mix.Ways.Single(w => w.Way == "ascorbic").Amount!.Value.ShouldBe(ascorbic, 1e-5);
        mix.Ways.Single(w => w.Way == "thiosulfate").Amount!.Value.ShouldBe(thiosulfate, 1e-5);
    }

    [Theory]
    [InlineData(10, 16, 10, 12, 0.75, 0.591928, 0.950284)]
    [InlineData(20, 20, 20, 5, 0.25, 0.200804, 0.311248)]
    [InlineData(5, 10, 5, 9, 0.9, 0.601641, 1)]
    [InlineData(10, 100, 20, 75, 0.75, 0.692327, 0.812478)]
    [InlineData(20, 4.5, 20, 4.4, 0.977778, 0.728839, 1)]
    [InlineData(8, 8, 8, 2, 0.25, 0.144551, 0.432373)]
    public void Share_through_a_pump(int fieldsBefore, double meanBefore, int fieldsAfter, double meanAfter, double share, double low,
        double high)
    {
        var a = Microscope.CameThrough([.. Enumerable.Repeat(meanBefore, fieldsBefore)],
            [.. Enumerable.Repeat(meanAfter, fieldsAfter)]).Value;
        a.Share.ShouldBe(share, 1e-5);
        a.Low95.ShouldBe(low, 1e-5);
        a.High95.ShouldBe(high, 1e-5);
    }

    public static TheoryData<double, double> Stops => new()
    {
        { 6, 20 }, { 10, 20 }, { 14, 20 }, { 20, 20 }, { 10, 14 }, { 18, 14 }, { 4, 26 }, { 5, 26 },
    };

    [Theory]
    [MemberData(nameof(Stops))]
    public void Minutes_to_six_once_the_air_stops_against_the_equations_stepped_plainly(double stop, double warmth)
    {
        var brew = BrewRunTests.Bucket with { TemperatureC = warmth, AirLpm = 9, Hours = 40 };
        var minutes = AfterAir.Of(brew, stop).Value.MinutesTo6!.Value;
        var plain = new PlainSolver(brew with { AirOffAtH = stop }).Run(stop + (minutes / 60) - 0.03, stop + (minutes / 60) + 0.03);
        plain[0].Oxygen.ShouldBeGreaterThan(6);
        plain[1].Oxygen.ShouldBeLessThan(6);
    }

    private static class Workings
    {
        /// <summary>A share as the working shows it: two figures, per cent.</summary>
        public static string Say(double share) => Core.Workings.Say.Number(share * 100, 2);
    }
}
