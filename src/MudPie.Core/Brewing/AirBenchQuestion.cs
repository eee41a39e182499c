using MudPie.Core.Measures;

namespace MudPie.Core.Brewing;

/// <summary>A point of a pump's own curve.</summary>
public sealed record CurvePoint(double Lpm, double KPa);

/// <summary>A pump on the bench.</summary>
public sealed record BenchPump
{
    /// <summary>Its name.</summary>
    public string Name { get; init; } = "pump";

    /// <summary>Open flow, 0.1 to 5000 L/min; not needed with a curve or a measured fill.</summary>
    public double? OpenLpm { get; init; }

    /// <summary>Shut-off pressure, 1 to 200 kPa.</summary>
    public double? ShutOffKPa { get; init; }

    /// <summary>Points of its curve, from the maker; two or more take the place of open flow and shut-off pressure.</summary>
    public IReadOnlyList<CurvePoint>? Curve { get; init; }

    /// <summary>How many like it run side by side, 1 to 20.</summary>
    public int Count { get; init; } = 1;

    /// <summary>Hours that its battery lasts; null where it is on the mains.</summary>
    public double? BatteryHours { get; init; }
}

/// <summary>An outlet on the bench.</summary>
public sealed record BenchOutlet
{
    /// <summary>Its name: "under the bag", "floor ring".</summary>
    public string Name { get; init; } = "outlet";

    /// <summary>A kind of <see cref="Ingredients.Diffusers"/>.</summary>
    public string? Diffuser { get; init; }

    /// <summary>Depth under water, 0.02 to 6 m.</summary>
    public double? DepthM { get; init; }

    /// <summary>Share of the air that its valve lets through, more than 0 to 1; shares are brought to 1 in all.</summary>
    public double? Share { get; init; }

    /// <summary>What the diffuser takes, kPa; the usual of its kind when not given.</summary>
    public double? LossKPa { get; init; }

    /// <summary>Length of its hose, 0 to 100 m.</summary>
    public double? HoseM { get; init; }

    /// <summary>Bore of its hose, 2 to 60 mm.</summary>
    public double? HoseMm { get; init; }
}

/// <summary>A set-up of pumps and outlets.</summary>
public sealed record AirBenchQuestion
{
    /// <summary>Units that sentences speak in; the sum itself is done in SI.</summary>
    [System.Text.Json.Serialization.JsonIgnore]
    public UnitSystem Units { get; init; }

    /// <summary>One to six pumps, in parallel.</summary>
    public IReadOnlyList<BenchPump> Pumps { get; init; } = [];

    /// <summary>One to twelve outlets, in parallel.</summary>
    public IReadOnlyList<BenchOutlet> Outlets { get; init; } = [];

    /// <summary>Litres of brew, 1 to 5000.</summary>
    public double? VolumeL { get; init; }

    /// <summary>Litres caught in an upturned bottle under water at the outlet, and the seconds it took: takes the place of the pumps'
    /// figures.</summary>
    public double? FillL { get; init; }

    /// <summary>Seconds the fill took, 1 to 3600.</summary>
    public double? FillS { get; init; }

    /// <summary>A brew, to say what it would ask for; null leaves that out.</summary>
    public BrewQuestion? Brew { get; init; }
}

/// <summary>What comes out of one outlet.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Lpm">L/min at its depth.</param>
/// <param name="NeedsKPa">Water above it, diffuser and hose.</param>
/// <param name="HoseKPa">Of that, the hose.</param>
/// <param name="KLa20">What it gets over, per h.</param>
/// <param name="DepthM">Depth, m.</param>
/// <param name="Diffuser">Kind.</param>
public sealed record OutletFlow(string Name, double Lpm, double NeedsKPa, double HoseKPa, double KLa20, double DepthM, string Diffuser);

/// <summary>The bench's answer.</summary>
/// <param name="TotalLpm">Air in all, L/min.</param>
/// <param name="PressureKPa">At the pumps.</param>
/// <param name="Outlets">Each outlet.</param>
/// <param name="KLa20">In all, per h.</param>
/// <param name="PumpCurve">Of all pumps together.</param>
/// <param name="SystemCurve">What the outlets ask for at each flow.</param>
/// <param name="LightLpm">0.25 L/min per L.</param>
/// <param name="HeavyLpm">1 L/min per L.</param>
/// <param name="ByOxygenLpm">The least that keeps the brew at 6 mg/L; null where no brew was given or no air will do.</param>
/// <param name="NoAirWillDo">True where a brew was given and no air will do.</param>
/// <param name="Verdict">In a sentence.</param>
public sealed record AirBenchAnswer(
    double TotalLpm, double PressureKPa, IReadOnlyList<OutletFlow> Outlets, double KLa20, IReadOnlyList<CurvePoint> PumpCurve,
    IReadOnlyList<CurvePoint> SystemCurve,
    double LightLpm, double HeavyLpm, double? ByOxygenLpm, bool NoAirWillDo, Verdict Verdict);
