using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>How an instrument strays from the truth.</summary>
/// <param name="Noise">Standard error of one reading, mg/L.</param>
/// <param name="Offset">Calibration offset at the start, mg/L.</param>
/// <param name="DriftPerH">What the offset grows by, mg/L per h.</param>
/// <param name="DropOuts">Share of readings that never come, 0 to 1.</param>
public sealed record Straying(double Noise = 0.1, double Offset = 0, double DriftPerH = 0, double DropOuts = 0);

/// <summary>A reading that came.</summary>
public sealed record ProbeReading(double H, double MgPerL, double TemperatureC);

/// <summary>A "true" brew that nobody sees, and what an instrument would read in it: for the simulated probe, the practice brew, and the
/// tests of the forecast.</summary>
public sealed class HiddenBrew
{
    private readonly BrewTrace _trace = new();
    private readonly BrewEquations _equations;
    private readonly BrewSetup _setup;
    private readonly BrewQuestion _brew;
    private readonly long _seed;

    private HiddenBrew(BrewQuestion brew, BrewSetup setup, Multipliers truth, long seed)
    {
        (_brew, _setup, Truth, _seed) = (brew, setup, truth, seed);
        _equations = setup.Solve(truth, setup.Hours, 1e-6, _trace);
    }

    /// <summary>What is hidden.</summary>
    public Multipliers Truth { get; }

    /// <summary>A brew that differs from the table by a draw from the spreads.</summary>
    /// <param name="brew">A sound brew.</param>
    /// <param name="seed">The same seed hides the same brew.</param>
    /// <param name="truth">Given instead of drawn; null draws.</param>
    /// <exception cref="ArgumentException">The brew is not sound.</exception>
    public static HiddenBrew Of(BrewQuestion brew, long seed, Multipliers? truth = null) => Of(brew, [], seed, truth);

    internal static HiddenBrew Of(BrewQuestion brew, IReadOnlyList<(double AtH, double KLa20)> airChanges, long seed,
        Multipliers? truth = null)
    {
        var (setup, refused) = brew.MakeReady();
        return setup is null ? throw new ArgumentException(refused!.ToString(), nameof(brew)) : new HiddenBrew(brew, airChanges.Count == 0
            ? setup : setup with { AirChanges = airChanges }, truth ?? Multipliers.FromLogs(Ensemble.Draw(1, seed).Logs[0]), seed);
    }

    /// <summary>True oxygen, mg/L; the last hour's past the end.</summary>
    public double OxygenAt(double h) => Math.Max(_trace.At(Math.Clamp(h, 0, _setup.Hours)).O, 0);

    /// <summary>True oxygen use, mg/L per h.</summary>
    public double UseAt(double h) => _equations.OxygenUse(Math.Clamp(h, 0, _setup.Hours), _trace.At(Math.Clamp(h, 0, _setup.Hours)));

    /// <summary>True cells, mg COD/L.</summary>
    public double CellsAt(double h) => _trace.At(Math.Clamp(h, 0, _setup.Hours)).Cells;

    /// <summary>First hour at which the truth is under 6 mg/L; null where it never is.</summary>
    public double? Below6AtH() => _trace.FirstPast(static y => BrewRun.Line - y.O, _setup.Hours);

    /// <summary>Warmth, °C.</summary>
    public double WarmthAt(double h) => _brew.WarmthAt(h);

    /// <summary>What an instrument reads at an hour; null where the reading drops out. The same hour, to the second, reads the
    /// same.</summary>
    public ProbeReading? ReadAt(double h, Straying strays)
    {
        var random = new SeededRandom((ulong)_seed ^ ((ulong)Math.Round(h * 3600) * 0x9E3779B97F4A7C15));
        random.Next();
        if (random.Next() < strays.DropOuts)
        {
            return null;
        }

        var oxygen = OxygenAt(h) + strays.Offset + (strays.DriftPerH * h) + (strays.Noise * random.NextNormal());
        return new ProbeReading(h, Math.Max(Math.Round(oxygen, 2), 0), Math.Round(WarmthAt(h) + (0.1 * random.NextNormal()), 1));
    }
}
