using MudPie.Core.Almanac;
using MudPie.Core.Ground;
using MudPie.Core.PuttingOut;

namespace MudPie.Core.Tests.PuttingOut;

/// <summary>Figures worked in another language from the written formulas, and from other formulas for the same thing.</summary>
public class PutOutsideFiguresTests
{
    [Theory]
    [InlineData(28, 72, Life.Poor, 765, 5, 0.25, 15, 171.36, 440.64, 4590, 306, 15)]
    [InlineData(9, 9, Life.Poor, 60, 9, 0.1, 10, 27.2727273, 27.2727273, 600, 60, 10)]
    [InlineData(28, 5000, Life.Living, 17, 2, 0.05, 10, 0.296684119, 15.8937921, 51, 6, 1)]
    [InlineData(36, 36, Life.Poor, 765, 2, 0.1, 15, 347.727273, 347.727273, 2295, 153, 15)]
    [InlineData(28, 72, Life.Middling, 765, 20, 0.1, 10, 273.493361, 421.961185, 16065, 1607, 5)]
    [InlineData(1200, 5000, Life.Middling, 765, 5, 0.05, 15, 208.163265, 520.408163, 4590, 306, 15)]
    [InlineData(28, 500, Life.Middling, 3, 9, 0.1, 10, 0.232815965, 2.49445676, 30, 3, 10)]
    [InlineData(36, 5000, Life.Living, 17, 9, 0.05, 400, 0.379464286, 15.8110119, 170, 1, 170)]
    [InlineData(100, 5000, Life.Middling, 60, 5, 0.05, 15, 1.84331797, 55.2995392, 360, 24, 15)]
    [InlineData(36, 72, Life.Poor, 3, 0, 0.25, 20, 0.8, 1.6, 3, 1, 3)]
    [InlineData(250, 5000, Life.Living, 60, 20, 0.1, 15, 7.79220779, 46.7532468, 1260, 84, 15)]
    [InlineData(430, 36, Life.Poor, 60, 1, 0.25, 20, 44.2918455, 3.70815451, 120, 6, 20)]
    [InlineData(28, 72, Life.Middling, 765, 9, 0.1, 600, 273.493361, 421.961185, 7650, 13, 450)]
    [InlineData(28, 72, Life.Poor, 3, 20, 0.05, 20, 0.8, 2.05714286, 63, 4, 3)]
    [InlineData(1200, 5000, Life.Living, 7, 0, 0.1, 15, 2.82828283, 3.53535354, 7, 1, 7)]
    [InlineData(36, 500, Life.Poor, 3, 2, 0, 20, 0.201492537, 2.79850746, 9, 1, 9)]
    [InlineData(430, 72, Life.Poor, 17, 2, 0.1, 15, 13.2379573, 2.21658819, 51, 4, 6)]
    [InlineData(1200, 500, Life.Living, 765, 0, 0.1, 600, 618.181818, 77.2727273, 765, 2, 165)]
    [InlineData(28, 500, Life.Middling, 7, 2, 0.25, 600, 0.47804878, 5.12195122, 21, 1, 21)]
    [InlineData(28, 72, Life.Living, 3, 2, 0, 400, 1.69354839, 1.30645161, 9, 1, 9)]
    [InlineData(28, 72, Life.Middling, 17, 9, 0, 400, 6.68539326, 10.3146067, 170, 1, 170)]
    [InlineData(28, 500, Life.Poor, 3, 0, 0, 10, 0.159090909, 2.84090909, 3, 1, 3)]
    [InlineData(430, 36, Life.Living, 765, 1, 0, 600, 746.256806, 18.7431942, 1530, 3, 330)]
    [InlineData(100, 5000, Life.Poor, 17, 0, 0, 600, 0.333333333, 16.6666667, 17, 1, 17)]
    public void A_job_over_two_beds_is_as_worked_elsewhere(double worn, double other, Life life, double brew, int water, double spare,
        double tank, double first, double second, double mix, int loads, double last)
    {
        var job = TankJob.Of(new TankJobQuestion {
            Purpose = Purpose.Root,
            BrewL = brew,
            Dilution = $"1:{water}",
            SpareShare = spare,
            TankL = tank,
            Beds = [new JobBed { Name = "worn", AreaM2 = worn, Life = Life.Poor },
                new JobBed { Name = "other", AreaM2 = other, Life = life }],
        }).Value;
        job.Beds[0].BrewL.ShouldBe(first, first * 1e-7);
        job.Beds[1].BrewL.ShouldBe(second, second * 1e-7);
        job.MixL.ShouldBe(mix, mix * 1e-9);
        job.LoadCount.ShouldBe(loads);
        if (job.Loads.Count > 0)
        {
            job.Loads[^1].MixL.ShouldBe(last, 1e-6);
        }
    }

    [Theory]
    [InlineData(1e+08, LifeForm.Propagules, 10, 27, 2, 10, 5, 14, 136882378, 0.547529513, 3.65277113)]
    [InlineData(2e+09, LifeForm.Spores, 10, 27, 50, 10, 10, 14, 6.96854231e+10, 6.96854231, double.NaN)]
    [InlineData(5e+07, LifeForm.Propagules, 10, 4, 0.5, 14, 5, 7, 12442967.2, 0.0497718687, 10.0458354)]
    [InlineData(5e+07, LifeForm.Spores, 200, 20, 2, 14, 1, 14, 47302882.3, 1.89211529, double.NaN)]
    [InlineData(1e+06, LifeForm.Living, 200, 4, 50, 28, 1, 14, 7520331.4, 15.0406628, double.NaN)]
    [InlineData(5e+07, LifeForm.Living, 10, 20, 10, 28, 10, 14, 115734339, 0.462937356, 21.6011948)]
    [InlineData(2e+09, LifeForm.Living, 10, 20, 10, 28, 5, 7, 4.62937356e+09, 0.462937356, 21.6011948)]
    [InlineData(1e+08, LifeForm.Living, 10, 4, 50, 60, 1, 14, 568699887, 11.3739977, double.NaN)]
    [InlineData(1e+06, LifeForm.Spores, 200, 35, 50, 28, 5, 7, 10685496.4, 2.13709927, double.NaN)]
    [InlineData(1e+06, LifeForm.Spores, 10, 4, 10, 7, 5, 14, 9990858.05, 3.99634322, double.NaN)]
    [InlineData(5e+07, LifeForm.Living, 0, 12, 2, 60, 5, 21, 11666666.7, 0.14, 14.2857143)]
    [InlineData(2e+09, LifeForm.Living, 200, 4, 0.5, 7, 10, 21, 601626512, 0.0902439768, 5.54053597)]
    [InlineData(1e+06, LifeForm.Propagules, 700, 20, 2, 7, 5, 7, 757858.283, 0.151571657, 13.1950791)]
    [InlineData(1e+06, LifeForm.Propagules, 60, 4, 0.5, 60, 5, 14, 56754.5194, 0.0227018077, 22.0246778)]
    [InlineData(5e+07, LifeForm.Propagules, 200, 12, 50, 28, 1, 7, 532992975, 10.6598595, double.NaN)]
    [InlineData(1e+06, LifeForm.Living, 60, 35, 50, 28, 10, 14, 3382847.42, 0.676569484, 73.9022395)]
    [InlineData(1e+06, LifeForm.Living, 10, 20, 50, 28, 1, 21, 11573433.9, 34.7203017, double.NaN)]
    [InlineData(5e+07, LifeForm.Propagules, 10, 12, 2, 14, 5, 14, 49603472.2, 0.396827778, 5.03996976)]
    [InlineData(1e+08, LifeForm.Living, 0, 12, 0.5, 14, 1, 21, 25000000, 0.75, 0.666666667)]
    [InlineData(1e+06, LifeForm.Propagules, 700, 27, 0.5, 60, 1, 14, 12058.1937, 0.0241163873, 20.7327902)]
    public void A_course_is_as_worked_elsewhere(double count, LifeForm kind, double age, double kept, double dose, double every,
        double labelDose, double labelEvery, double week, double share, double makeUp)
    {
        var course = InoculantCourse.Of(new CourseQuestion {
            Species = [new LabelSpecies { Name = "one", Count = count }],
            LabelPer = "g",
            Kind = kind,
            AgeDays = age,
            KeptC = kept,
            Dose = dose,
            EveryDays = every,
            LabelDose = labelDose,
            LabelEveryDays = labelEvery,
            Crop = "leeks",
        }).Value;
        course.PerWeek.ShouldBe(week, week * 1e-7);
        course.Share!.Value.ShouldBe(share, share * 1e-7);
        if (double.IsNaN(makeUp))
        {
            course.MakeUp.ShouldBeNull(); // it keeps up with the label
        }
        else
        {
            course.MakeUp!.Value.ShouldBe(makeUp, makeUp * 1e-7);
        }
    }

    // By the low-precision formulas of the Astronomical Almanac with sidereal time: another road to the sun's height, good to some 0.02°.
    [Theory]
    [InlineData("2026-03-20T09:15:00Z", 52.5, 0, 26.30)]
    [InlineData("2026-06-21T11:15:00Z", 52.5, 0, 59.59)]
    [InlineData("2026-09-30T07:15:00Z", 52.5, 0, 10.43)]
    [InlineData("2026-12-21T05:15:00Z", 52.5, 0, -24.80)]
    [InlineData("2026-03-20T20:15:00Z", 60, 10, -19.43)]
    [InlineData("2026-06-21T00:15:00Z", 60, 10, -5.85)]
    [InlineData("2026-09-30T21:15:00Z", 60, 10, -28.96)]
    [InlineData("2026-12-21T01:15:00Z", 60, 10, -48.12)]
    [InlineData("2026-03-20T19:15:00Z", 35, -100, 54.49)]
    [InlineData("2026-06-21T10:15:00Z", 35, -100, -12.77)]
    [InlineData("2026-09-30T17:15:00Z", 35, -100, 48.14)]
    [InlineData("2026-12-21T14:15:00Z", 35, -100, 4.60)]
    [InlineData("2026-03-20T18:15:00Z", -40, 175, -2.41)]
    [InlineData("2026-06-21T09:15:00Z", -40, 175, -47.53)]
    [InlineData("2026-09-30T16:15:00Z", -40, 175, -19.53)]
    [InlineData("2026-12-21T14:15:00Z", -40, 175, -20.96)]
    [InlineData("2026-03-20T19:15:00Z", 0, 37, -53.91)]
    [InlineData("2026-06-21T19:15:00Z", 0, 37, -48.95)]
    [InlineData("2026-09-30T14:15:00Z", 0, 37, 16.71)]
    [InlineData("2026-12-21T12:15:00Z", 0, 37, 43.63)]
    [InlineData("2026-03-20T04:15:00Z", 68, 20, -3.20)]
    [InlineData("2026-06-21T08:15:00Z", 68, 20, 40.12)]
    [InlineData("2026-09-30T19:15:00Z", 68, 20, -17.21)]
    [InlineData("2026-12-21T11:15:00Z", 68, 20, -1.69)]
    public void The_sun_stands_where_another_almanac_puts_it(string at, double latitude, double longitude, double degrees) =>
        Sun.ElevationDeg(DateTimeOffset.Parse(at, System.Globalization.CultureInfo.InvariantCulture), latitude, longitude)
            .ShouldBe(degrees, 0.05);

    // By the line integral on the sphere, not on a plane.
    [Theory]
    [InlineData("0.0002563,20.0 0.0001337,20.0002176 -0.0001295,20.0002107 -0.0002052,20.0 -0.0001548,19.999748 9.56e-05,19.9998444",
        1714.482)]
    [InlineData("-119.9991244,20.0 -120.0005066,20.0008246 -120.0003537,19.9994242", 10512.3)]
    [InlineData("30.0010021,20.0 30.0,20.0008019 29.9991891,20.0 30.0,19.9991227", 17685.91)]
    [InlineData("30.0002315,-40.0 29.9998055,-39.9997419 29.9998374,-40.0002158", 917.0822)]
    [InlineData("-119.9961383,-40.0 -120.0,-39.9962273 -120.0031909,-40.0 -120.0,-40.0035734", 245358.9)]
    [InlineData("175.0003028,20.0 175.0001696,20.0001998 174.9999535,20.0001915 174.9998231,20.0000801 174.9998092,19.9999137 "
        + "174.9999422,19.9997621 175.0001987,19.9997659", 1946.479)]
    [InlineData("175.0011813,52.5 175.0004031,52.5007552 174.9991685,52.5003677 174.9987392,52.4994424 175.0003702,52.4993064", 16919.78)]
    [InlineData("30.0016741,61.0 30.0005961,61.0005006 29.9994494,61.0004623 29.9979644,61.0 29.9989749,60.9991392 30.0009901,60.9991686",
        21516.75)]
    [InlineData("30.0015299,61.0 29.9991543,61.0007101 29.9992384,60.9993605", 9430.28)]
    [InlineData("-119.9996692,61.0 -120.0,61.0001699 -120.0003239,61.0 -120.0,60.9997903", 744.8712)]
    [InlineData("30.0051376,61.0 29.9963876,61.0030334 29.9975135,60.997912", 124072.5)]
    [InlineData("-119.9994353,20.0 -120.0005301,20.0008628 -120.0003429,19.9994418", 8099.348)]
    public void A_bed_s_area_is_what_it_is_on_the_sphere(string corners, double m2) =>
        GroundPlan.AreaM2([.. corners.Split(' ')
            .Select(c => c.Split(',').Select(x => double.Parse(x, System.Globalization.CultureInfo.InvariantCulture)).ToArray())
            .Select(c => new Corner(c[0], c[1]))]).ShouldBe(m2, m2 * 3e-4);

    // From the definition: litres a second over metres a second and spacing.
    [Theory]
    [InlineData(0.8, 3.5, 1, 137.142857)]
    [InlineData(0.8, 2, 0.75, 320)]
    [InlineData(0.4, 8, 0.5, 60)]
    [InlineData(2.4, 6, 0.5, 480)]
    [InlineData(0.8, 5, 1, 96)]
    [InlineData(2.4, 2, 1, 720)]
    [InlineData(0.8, 3.5, 0.75, 182.857143)]
    [InlineData(2.4, 6, 0.75, 320)]
    [InlineData(1.6, 5, 0.5, 384)]
    [InlineData(1.6, 2, 1, 480)]
    [InlineData(0.4, 5, 0.25, 192)]
    [InlineData(1.2, 3.5, 0.25, 822.857143)]
    public void A_boom_puts_on_what_its_nozzles_give(double litresPerMinute, double kmPerHour, double spacing, double litresPerHa) =>
        SprayerRate.Of(new SprayerQuestion { NozzleLPerMin = litresPerMinute, SpeedKmPerH = kmPerHour, SpacingM = spacing }).Value.LPerHa
            .ShouldBe(litresPerHa, litresPerHa * 1e-7);
}
