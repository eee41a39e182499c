using System.Text.Json;
using FsCheck.Xunit;
using MudPie.Core.Brewing;

namespace MudPie.Core.Tests.Brewing;

/// <summary>The brew model against runs of an independent stiff solver at 1e-9, and against what must always hold.</summary>
public class BrewRunTests
{
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web);

    public static readonly BrewQuestion Bucket = new() {
        VolumeL = 19,
        DepthM = 0.3,
        Diffuser = "airStone",
        AirLpm = 5,
        TemperatureC = 20,
        Hours = 48,
        Sources = [new SourceAmount { Kind = "compost", Litres = 1.2 }],
        Foods = [new FoodAmount { Kind = "fishHydrolysate", Ml = 15 }, new FoodAmount { Kind = "kelpLiquid", Ml = 15 }],
    };

    public static TheoryData<string> ReferenceIds()
    {
        var data = new TheoryData<string>();
        foreach (var c in Cases().RootElement.EnumerateArray())
        {
            data.Add(c.GetProperty("case").GetProperty("id").GetString()!);
        }

        return data;
    }

    [Theory]
    [MemberData(nameof(ReferenceIds))]
    public void A_run_agrees_with_an_independent_stiff_solver(string id)
    {
        var found = Cases().RootElement.EnumerateArray().First(c => c.GetProperty("case").GetProperty("id").GetString() == id);
        var question = found.GetProperty("case").Deserialize<BrewQuestion>(Json)!;
        var want = found.GetProperty("expect");

        var got = BrewRun.Of(question).Value;

        Near(got.KLa20, want.GetProperty("kLa20"));
        Near(got.MinOxygen, want.GetProperty("minDO"));
        Near(got.PeakUse, want.GetProperty("peakOUR"));
        Near(got.FungalShare, want.GetProperty("fungalShare"));
        Time(got.MinAtH, want.GetProperty("minAtH"), slack: 0.05);
        Time(got.Below6AtH, want.GetProperty("below6AtH"));
        Time(got.ReadyAtH, want.GetProperty("readyAtH"));
        foreach (var moment in want.GetProperty("series").EnumerateArray())
        {
            var mine = got.Series.First(m => m.H == moment.GetProperty("h").GetDouble());
            Near(mine.Oxygen, moment.GetProperty("DO"));
            Near(mine.OxygenUse, moment.GetProperty("OUR"));
            Near(mine.Bacteria, moment.GetProperty("Xb"));
            Near(mine.Fungi, moment.GetProperty("Xf"));
            Near(mine.FastFood, moment.GetProperty("Sr"));
            Near(mine.SlowFood, moment.GetProperty("Sx"));
        }
    }

    [Property(MaxTest = 40)]
    public void Nothing_is_made_from_nothing(byte warmth, byte air, byte molasses, byte compost)
    {
        // d(Sr+Sx+B+F)/dt = −OUR + what the source releases, so what is there at the end plus what was burnt is what went in.
        var question = Bucket with {
            TemperatureC = 4 + (warmth % 38),
            AirLpm = air % 40,
            Sources = [new SourceAmount { Kind = "compost", Litres = 0.1 + (compost % 30 / 10.0) }],
            Foods = [new FoodAmount { Kind = "molasses", Ml = molasses % 60 }, new FoodAmount { Kind = "oatFlour", Ml = 10, AtH = 7 }],
        };
        var (setup, refused) = question.MakeReady();
        refused.ShouldBeNull();
        var trace = new BrewTrace();
        var eq = setup!.Solve(Multipliers.Table, 48, 1e-8, trace);

        var burnt = 0.0;
        for (var step = 0; step < trace.Steps; step++)
        {
            // Gauss–Legendre with three points on each step's own polynomial.
            double[] at = [0.5 - (Math.Sqrt(0.6) / 2), 0.5, 0.5 + (Math.Sqrt(0.6) / 2)];
            double[] weight = [5 / 18.0, 8 / 18.0, 5 / 18.0];
            for (var i = 0; i < 3; i++)
            {
                burnt += trace.LengthOf(step) * weight[i] * eq.OxygenUse(trace.StartOf(step) + (at[i] * trace.LengthOf(step)),
                    trace.Inside(step, at[i]));
            }
        }

        var end = trace.At(48);
        var fed = setup.Feeds.Sum(f => f.Fast + f.Slow) + setup.FromSources.Fast + setup.FromSources.Slow;
        var given = (setup.Source.B + setup.Source.F) * (0.05 + 1 - Math.Exp(-1.2 * 48));
        (end.Sr + end.Sx + end.B + end.F + burnt).ShouldBe(fed + given, (fed + given) * 2e-4);
    }

    [Property(MaxTest = 30)]
    public void More_air_never_lowers_the_lowest_oxygen(byte air, byte molasses)
    {
        var foods = new[] { new FoodAmount { Kind = "molasses", Ml = molasses % 40 } };
        var less = BrewRun.Of(Bucket with { AirLpm = air % 20, Foods = foods }).Value;
        var more = BrewRun.Of(Bucket with { AirLpm = (air % 20) + 5, Foods = foods }).Value;
        more.MinOxygen.ShouldBeGreaterThanOrEqualTo(less.MinOxygen - 1e-3);
    }

    [Fact]
    public void Cold_is_slow_and_warm_is_quick()
    {
        double Ready(double c) => BrewRun.Of(Bucket with { TemperatureC = c }).Value.ReadyAtH!.Value;

        Ready(28).ShouldBe(16, 0.5);
        Ready(20).ShouldBe(23, 0.5);
        Ready(15).ShouldBeGreaterThan(36);
        Ready(15).ShouldBeLessThan(Ready(12));
    }

    [Fact]
    public void A_spoon_of_molasses_on_light_air_crashes_and_heavy_air_does_not_save_it()
    {
        var foods = new[] { new FoodAmount { Kind = "fishHydrolysate", Ml = 15 }, new FoodAmount { Kind = "molasses", Ml = 20 } };

        BrewRun.Of(Bucket with { Foods = foods }).Value.MinOxygen.ShouldBeLessThan(1);
        BrewRun.Of(Bucket with { Foods = foods, AirLpm = 19 }).Value.MinOxygen.ShouldBeInRange(3, 6);
    }

    [Fact]
    public void Molasses_pulls_the_fungal_share_down_and_flour_raises_it()
    {
        double Share(string food, double ml) =>
            BrewRun.Of(Bucket with { AirLpm = 40, Foods = [new FoodAmount { Kind = food, Ml = ml }] }).Value.FungalShare;
        var none = BrewRun.Of(Bucket with { AirLpm = 40, Foods = [] }).Value.FungalShare;

        Share("molasses", 20).ShouldBeLessThan(none * 0.65);
        Share("oatFlour", 15).ShouldBeGreaterThan(none);
        Share("fishHydrolysate", 15).ShouldBe(none, 0.06);
    }

    [Fact]
    public void A_feed_at_twelve_hours_changes_nothing_before_it_and_pulls_the_oxygen_after_it()
    {
        var plain = BrewRun.Of(Bucket, 1).Value;
        var fed = BrewRun.Of(Bucket with { Foods = [.. Bucket.Foods!, new FoodAmount { Kind = "molasses", Ml = 5, AtH = 12 }] }, 1).Value;

        fed.Series[11].Oxygen.ShouldBe(plain.Series[11].Oxygen, 1e-4);
        fed.Series[14].Oxygen.ShouldBeLessThan(plain.Series[14].Oxygen - 2);
    }

    [Fact]
    public void A_steady_series_of_hours_gives_what_the_constant_warmth_gives()
    {
        var constant = BrewRun.Of(Bucket).Value;
        var series = BrewRun.Of(Bucket with { TemperatureC = null, TemperatureByHour = [.. Enumerable.Repeat(20.0, 49)] }).Value;
        series.MinOxygen.ShouldBe(constant.MinOxygen, 1e-5);
        series.ReadyAtH!.Value.ShouldBe(constant.ReadyAtH!.Value, 1e-3);
    }

    [Theory]
    [InlineData("volumeL", 0.0)]
    [InlineData("volumeL", 10_000.0)]
    [InlineData("volumeL", -3.0)]
    [InlineData("volumeL", double.NaN)]
    [InlineData("temperatureC", 60.0)]
    [InlineData("airLpm", -1.0)]
    [InlineData("hours", double.PositiveInfinity)]
    [InlineData("depthM", 0.0)]
    public void Nonsense_is_refused_by_the_name_of_its_field(string field, double value)
    {
        var question = field switch {
            "volumeL" => Bucket with { VolumeL = value },
            "temperatureC" => Bucket with { TemperatureC = value },
            "airLpm" => Bucket with { AirLpm = value },
            "hours" => Bucket with { Hours = value },
            _ => Bucket with { DepthM = value },
        };

        var problem = BrewRun.Of(question).Refused.ShouldNotBeNull().Problems[0];

        problem.Field.ShouldBe(field);
        problem.WayOut.ShouldContain("from");
    }

    [Fact]
    public void All_that_is_wrong_is_said_at_once()
    {
        var refused = BrewRun.Of(new BrewQuestion { Diffuser = "bellows", Foods = [new FoodAmount { Kind = "manure", Ml = 3 }] }).Refused!;
        refused.Problems.Select(p => p.Field)
            .ShouldBe(["volumeL", "depthM", "airLpm", "hours", "diffuser", "temperatureC", "foods[0].kind"], ignoreOrder: true);
    }

    [Fact]
    public void A_brew_of_plain_water_stays_full_of_oxygen_and_is_never_ready()
    {
        var water = BrewRun.Of(Bucket with { Sources = [], Foods = [] }).Value;
        water.ReadyAtH.ShouldBeNull();
        water.MinOxygen.ShouldBe(0.97 * 9.0924, 1e-3);
    }

    private static JsonDocument Cases() =>
        JsonDocument.Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Reference", "brew-cases.json")));

    private static void Near(double got, JsonElement want)
    {
        var w = want.GetDouble();
        got.ShouldBe(w, Math.Max(Math.Abs(w) * 0.002, 0.01));
    }

    private static void Time(double? got, JsonElement want, double slack = 0)
    {
        if (want.ValueKind == JsonValueKind.Null)
        {
            got.ShouldBeNull();
        }
        else
        {
            got!.Value.ShouldBe(want.GetDouble(), 0.05 + slack);
        }
    }
}
