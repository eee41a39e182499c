using MudPie.Core.Brewing;

namespace MudPie.Core.Tests.Brewing;

/// <summary>Brews that the reference file does not hold, against the equations written a second time and stepped plainly.</summary>
public class PlainSolverTests
{
    private static BrewQuestion Bucket => BrewRunTests.Bucket with { Hours = 36 };

    private static BrewQuestion Barrel => new() {
        VolumeL = 180,
        DepthM = 0.75,
        Diffuser = "drilledPipe",
        AirLpm = 44,
        AltitudeM = 6,
        TemperatureC = 19,
        Hours = 36,
        Sources = [new SourceAmount { Kind = "compost", Litres = 2.6 }],
        Foods = [new FoodAmount { Kind = "fishHydrolysate", Ml = 200 }, new FoodAmount { Kind = "kelpLiquid", Ml = 120 }],
    };

    public static TheoryData<string> Names => [.. Cases.Keys];

    private static readonly Dictionary<string, BrewQuestion> Cases = new() {
        ["the plain bucket"] = Bucket,
        ["a barrel on a drilled pipe"] = Barrel,
        ["castings in place of compost"] = Bucket with { Sources = [new SourceAmount { Kind = "castings", Litres = 0.65 }] },
        ["both sources"] = Bucket with {
            Sources = [new SourceAmount { Kind = "castings", Litres = 0.3 },
            new SourceAmount { Kind = "compost", Litres = 0.6 }]
        },
        ["no food at all"] = Bucket with { Foods = [] },
        ["every food a little"] = Bucket with {
            AirLpm = 12,
            Foods = [.. Ingredients.Foods.Select(f => new FoodAmount { Kind = f.Kind, Ml = 3 })]
        },
        ["fed again at six and twelve hours"] =
            Bucket with {
                Foods = [.. Bucket.Foods!, new FoodAmount { Kind = "molasses", Ml = 4, AtH = 6 },
                new FoodAmount { Kind = "oatFlour", Ml = 5, AtH = 12 }]
            },
        ["a cold barn"] = Bucket with { TemperatureC = 9 },
        ["a warm night"] = Bucket with { TemperatureC = 27, AirLpm = 9 },
        ["a swinging day, begun at six in the evening"] = Bucket with { SwingC = 6, StartHour = 18 },
        ["warmth by the hour"] = Bucket with { TemperatureByHour = [18, 17, 16, 15, 14, 14, 15, 17, 20, 22, 23, 23, 22, 21, 20, 19] },
        ["high in the hills"] = Bucket with { AltitudeM = 2200, AirLpm = 10 },
        ["two circuits"] = Barrel with {
            Outlets = [new OutletAir { Diffuser = "drilledPipe", DepthM = 0.75, AirLpm = 20 },
            new OutletAir { Diffuser = "airStone", DepthM = 0.5, AirLpm = 15 }]
        },
        ["a second pump from nine hours on"] = Barrel with { AirChanges = [new AirFrom { AtH = 9, AirLpm = 88 }] },
        ["air halved, then doubled"] =
            Barrel with { AirChanges = [new AirFrom { AtH = 5, AirLpm = 22 }, new AirFrom { AtH = 11, AirLpm = 90 }] },
        ["power off for an hour"] = Bucket with {
            AirLpm = 9,
            AirChanges = [new AirFrom { AtH = 6, AirLpm = 0 }, new AirFrom { AtH = 7, AirLpm = 9 }]
        },
        ["air off at eight hours"] = Bucket with { AirOffAtH = 8, Hours = 9 },
        ["a fine membrane in a tank"] = new BrewQuestion {
            VolumeL = 765,
            DepthM = 1.1,
            Diffuser = "fineMembrane",
            AirLpm = 200,
            TemperatureC = 17,
            SwingC = 3,
            StartHour = 7,
            Hours = 36,
            Sources = [new SourceAmount { Kind = "compost", Litres = 7 }],
            Foods = [new FoodAmount { Kind = "fishHydrolysate", Ml = 600 }, new FoodAmount { Kind = "humicLiquid", Ml = 500 }],
        },
    };

    [Theory]
    [MemberData(nameof(Names))]
    public void Agrees_with_the_equations_stepped_plainly(string name)
    {
        var q = Cases[name];
        double[] hours = q.AirOffAtH is null ? [2, 5, 8, 11, 14, 20, 30] : [2, 5, 7.9, 8.2];
        var plain = new PlainSolver(q).Run(hours);
        var trace = new BrewTrace();
        q.MakeReady().Setup!.Solve(Multipliers.Table, q.Hours!.Value, 1e-8, trace);
        foreach (var (h, oxygen, bacteria, fungi) in plain)
        {
            var y = trace.At(h);
            y.O.ShouldBe(oxygen, Math.Max(0.01, oxygen * 0.002), $"{name}, oxygen at {h} h");
            y.B.ShouldBe(bacteria, Math.Max(0.05, bacteria * 0.002), $"{name}, bacteria at {h} h");
            y.F.ShouldBe(fungi, Math.Max(0.05, fungi * 0.002), $"{name}, fungi at {h} h");
        }
    }
}
