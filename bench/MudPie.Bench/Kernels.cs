using BenchmarkDotNet.Attributes;
using MudPie.Core.Brewing;

namespace MudPie.Bench;

/// <summary>The numerical kernels of the brew forecast, on the plain bucket of the reference.</summary>
[MemoryDiagnoser]
public class Kernels
{
    private readonly BrewTrace _trace = new();
    private readonly BrewSetup _setup = Bucket.MakeReady().Setup!;

    private readonly ForecastQuestion _bucket = Bucket;

    internal static ForecastQuestion Bucket => new() {
        VolumeL = 19,
        DepthM = 0.3,
        Diffuser = "airStone",
        AirLpm = 5,
        TemperatureC = 20,
        Hours = 48,
        Members = 1000,
        Sources = [new SourceAmount { Kind = "compost", Litres = 1.2 }],
        Foods = [new FoodAmount { Kind = "fishHydrolysate", Ml = 15 }, new FoodAmount { Kind = "kelpLiquid", Ml = 15 }],
    };

    /// <summary>48 h at a relative tolerance of 1e-6.</summary>
    [Benchmark]
    public int Run48h()
    {
        _setup.Solve(Multipliers.Table, 48, 1e-6, _trace);
        return _trace.Steps;
    }

    /// <summary>All that brew-run answers, ready time over up to 120 h included.</summary>
    [Benchmark]
    public double RunAnswer() => BrewRun.Of(_bucket).Value.MinOxygen;

    /// <summary>The same, re-weighted by readings of a brew that nobody sees.</summary>
    public double Learn(int readings) =>
        BrewForecast.Of(_bucket
            with {
            Readings = [.. Enumerable.Range(1, readings)
                .Select(i => new OxygenAt { H = i * 2, MgPerL = Hidden.OxygenAt(i * 2) })]
        }).Value.EffectiveMembers;

    private static readonly HiddenBrew Hidden = HiddenBrew.Of(Bucket, 7);

    /// <summary>1,000 members with band, ready and grace.</summary>
    [Benchmark]
    public double Ensemble() => BrewForecast.Of(_bucket).Value.ProbabilityBelow6;
}
