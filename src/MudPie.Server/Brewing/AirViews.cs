using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Server.Brewing;

/// <summary>A pump as it is typed: "60 L/min", "2 cfm", "32 kPa", "4.6 psi"; its own curve as "60 at 0, 40 at 10".</summary>
public sealed record PumpAsked(string? Name, string? OpenLpm, string? ShutOffKPa, string? Count, string? Curve);

/// <summary>An outlet as it is typed: depth and hose in metres or feet, bore in millimetres or inches.</summary>
public sealed record OutletAsked(string? Name, string? Diffuser, string? DepthM, string? Share, string? HoseM, string? HoseMm);

/// <summary>A bench as it is typed, in the holding's own units; the fields are named as the calculator names them.</summary>
/// <param name="VolumeL">Brew, litres.</param>
/// <param name="Pumps">One to six.</param>
/// <param name="Outlets">One to twelve.</param>
/// <param name="FillL">What was caught, as typed.</param>
/// <param name="FillS">In how many seconds.</param>
public sealed record AirBenchAsked(double? VolumeL, IReadOnlyList<PumpAsked>? Pumps, IReadOnlyList<OutletAsked>? Outlets, string? FillL,
    string? FillS, Guid? Version = null)
{
    private const double MmInM = 0.001;
    private const string OnTheBox = "It stands on the pump's box.";

    /// <summary>A bench as one would type it. 60 L/min reads "60 L/min", or "2.12 cfm" in a US holding; a bore of 13 mm "13 mm", or "0.512
    /// in".</summary>
    public static AirBenchAsked Of(AirBenchQuestion bench, UnitSystem units)
    {
        string Show(double? si, Dimension dimension) => si is { } x ? Units.Show(x, dimension, units) : "";
        string Bare(double si, Dimension dimension) => Units.Show(si, dimension, units).Split(' ')[0];
        return new(
            bench.VolumeL,
            [.. bench.Pumps.Select(p => new PumpAsked(p.Name, Show(p.OpenLpm, Dimension.Flow), Show(p.ShutOffKPa, Dimension.Pressure),
                Say.Number(p.Count),
                string.Join(", ", (p.Curve ?? []).Select(c => $"{Bare(c.Lpm, Dimension.Flow)} at {Bare(c.KPa, Dimension.Pressure)}"))))],
            [.. bench.Outlets.Select(o => new OutletAsked(o.Name, o.Diffuser, Show(o.DepthM, Dimension.Length), o.Share is { } s
                ? Say.Number(s) : "", Show(o.HoseM, Dimension.Length), o.HoseMm is { } mm ? Per.Millimetres(mm, units) : ""))],
            Show(bench.FillL, Dimension.Volume), bench.FillS is { } f ? Say.Number(f) : "");
    }

    /// <summary>The bench that was typed, or what can't be read of it; what is out of range the bench itself refuses.</summary>
    public Ruling<AirBenchQuestion> Read(UnitSystem units)
    {
        var fields = new TypedFields(units);
        double? Of(string field, string? typed, Dimension dimension, double low, double high, string? wayOut = null) =>
            fields.Optional(field, typed, dimension, low, high, wayOut);
        double? Bore(string field, string? typed) =>
            Of(field, string.IsNullOrWhiteSpace(typed) || char.IsLetter(typed.Trim()[^1]) || typed.Trim()[^1] == '"'
                ? typed : $"{typed} {(units.IsUs() ? "in" : "mm")}", Dimension.Length, 2 * MmInM, 60 * MmInM) / MmInM;
        var bench = new AirBenchQuestion {
            Units = units,
            VolumeL = VolumeL,
            Pumps = [.. (Pumps ?? []).Select(p => p ?? new PumpAsked(null, null, null, null, null)).Select((p, i) => new BenchPump
            {
                Name = p.Name ?? "pump",
                OpenLpm = Of($"pumps[{i}].openLpm", p.OpenLpm, Dimension.Flow, 0.1, 5000, OnTheBox),
                ShutOffKPa = Of($"pumps[{i}].shutOffKPa", p.ShutOffKPa, Dimension.Pressure, 1, 200, OnTheBox),
                Count = (int)(Of($"pumps[{i}].count", p.Count, Dimension.Plain, 1, 20) ?? 1),
                Curve = CurveOf($"pumps[{i}].curve", p.Curve, fields),
            })],
            Outlets = [.. (Outlets ?? []).Select(o => o ?? new OutletAsked(null, null, null, null, null, null))
                .Select((o, i) => new BenchOutlet
            {
                Name = o.Name ?? "outlet",
                Diffuser = o.Diffuser,
                DepthM = Of($"outlets[{i}].depthM", o.DepthM, Dimension.Length, 0.02, 6),
                Share = Of($"outlets[{i}].share", o.Share, Dimension.Plain, 0.001, 1),
                HoseM = Of($"outlets[{i}].hoseM", o.HoseM, Dimension.Length, 0, 100),
                HoseMm = Bore($"outlets[{i}].hoseMm", o.HoseMm),
            })],
            FillL = Of("fillL", FillL, Dimension.Volume, 0.05, 50, "A bottle that fills in ten seconds or more is handy."),
            FillS = Of("fillS", FillS, Dimension.Plain, 1, 3600),
        };
        return fields.Checks.Sound ? Worked.Of(bench, "", Evidence.MeasuredHere) : fields.Checks.Refusal;
    }

    /// <summary>"60 at 0, 40 at 10" as points; a comma is followed by a space, so that "1,5 at 0" stays one number.</summary>
    private static List<CurvePoint>? CurveOf(string field, string? typed, TypedFields fields)
    {
        if (string.IsNullOrWhiteSpace(typed))
        {
            return null;
        }

        var points = new List<CurvePoint>();
        foreach (var part in typed.Replace(';', '\n').Replace(", ", "\n", StringComparison.Ordinal)
            .Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            if (part.Split("at") is not [var flow, var pressure])
            {
                fields.Checks.Add(field, $"“{part}” is no point of a curve.", fields.Units.IsUs()
                    ? "Write cfm at psi: 2 at 0, 1.4 at 1.5, 0 at 3.6." : "Write L/min at kPa: 60 at 0, 40 at 10, 0 at 25.");
                return null;
            }

            points.Add(new CurvePoint(fields.Quantity(field, flow, Dimension.Flow, 0, 10_000),
                fields.Quantity(field, pressure, Dimension.Pressure, 0, 1000)));
        }

        return points;
    }
}

/// <summary>A mark on an axis: where it lies, in SI, and what it says in the holding's units.</summary>
public sealed record AxisMark(double At, string Says);

/// <summary>The bench's answer as it is shown.</summary>
/// <param name="Answer">In SI, for drawing.</param>
/// <param name="MeetShown">Where the curves meet: "24.3 L/min at 6.1 kPa".</param>
/// <param name="LightShown">Light air.</param>
/// <param name="HeavyShown">Heavy air.</param>
/// <param name="ByOxygenShown">The least by oxygen, or "none will do".</param>
/// <param name="OutletsShown">Each outlet's flow and what it asks.</param>
/// <param name="FlowUnit">Of the flow axis.</param>
/// <param name="PressureUnit">Of the pressure axis.</param>
/// <param name="FlowMarks">Along it.</param>
/// <param name="PressureMarks">Up it.</param>
/// <param name="UsualShown">What "by oxygen" is asked of.</param>
public sealed record AirBenchView(
    AirBenchAnswer Answer, string MeetShown, string LightShown, string HeavyShown, string ByOxygenShown, IReadOnlyList<string> OutletsShown,
    string FlowUnit, string PressureUnit, IReadOnlyList<AxisMark> FlowMarks, IReadOnlyList<AxisMark> PressureMarks, string UsualShown)
{
    /// <summary>The answer in the holding's units.</summary>
    public static AirBenchView Of(AirBenchAnswer a, UnitSystem units)
    {
        string Flow(double lpm) => Units.Show(lpm, Dimension.Flow, units);
        string Pressure(double kPa) => Units.Show(kPa, Dimension.Pressure, units);
        var most = Math.Max(a.TotalLpm * 1.2, a.PumpCurve.Concat(a.SystemCurve).Select(p => p.Lpm).DefaultIfEmpty(1).Max());
        var top = Math.Max(Math.Max(a.PressureKPa * 1.2, 1), a.PumpCurve.Select(p => p.KPa).DefaultIfEmpty(0).Max());
        IReadOnlyList<AxisMark> Marks(double upTo, Func<double, string> show) =>
            [.. new[] { 0, 0.5, 1 }.Select(s => new AxisMark(upTo * s, show(upTo * s).Split(' ')[0]))];
        return new(
            a, $"{Flow(a.TotalLpm)} at {Pressure(a.PressureKPa)}", Flow(a.LightLpm), Flow(a.HeavyLpm),
            a.NoAirWillDo ? "none will do" : a.ByOxygenLpm is { } l ? Flow(l) : "",
            [.. a.Outlets.Select(o => $"{Flow(o.Lpm)} · asks {Pressure(o.NeedsKPa)}, hose {Pressure(o.HoseKPa)}")],
            Flow(1).Split(' ')[1], Pressure(1).Split(' ')[1], Marks(most, Flow), Marks(top, Pressure),
            $"By oxygen: a usual balanced tea at {Units.Show(20, Dimension.Temperature, units)}, by the model.");
    }
}
