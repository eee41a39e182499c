using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>Pumps, hoses and outlets in parallel: where the pumps' curve meets what the outlets ask for.</summary>
public static class AirBench
{
    private const double AirDensity = 1.2;       // kg/m³ at 20 °C
    private const double AirViscosity = 1.82e-5; // Pa s
    private const double KPaPerMetre = 9.80665;

    /// <summary>Pressure lost in a hose, kPa: f · L/D · ρ v²/2, f = 64/Re, or 0.316 Re^−¼ above Re 3000 (Darcy, Blasius), the larger of
    /// both between.</summary>
    /// <remarks>60 L/min through 3 m of 8 mm: 19.9 m/s, Re 10,500, f 0.0312: 2.78 kPa.</remarks>
    public static double HoseLossKPa(double lpm, double lengthM, double boreMm)
    {
        if (lpm <= 0 || lengthM <= 0)
        {
            return 0;
        }

        var d = boreMm / 1000;
        var v = lpm / 60_000 / (Math.PI / 4 * d * d);
        var re = AirDensity * v * d / AirViscosity;
        var laminar = 64 / re;
        var f = re < 2000 ? laminar : Math.Max(laminar, 0.316 * Math.Pow(re, -0.25));
        return f * lengthM / d * AirDensity * v * v / 2 / 1000;
    }

    /// <summary>Works out where pumps and outlets meet.</summary>
    /// <remarks>One 6 L/min pump of 20 kPa and one stone (3 kPa) at 0.25 m without hose: 4.36 L/min, as
    /// <see cref="Air"/>.</remarks>
    public static Ruling<AirBenchAnswer> Of(AirBenchQuestion q)
    {
        var checks = new Checks();
        var volume = checks.Range("volumeL", q.VolumeL, 1, 5000, "L");
        var outlets = CheckOutlets(q, checks);
        var measured = q.FillL is not null || q.FillS is not null
            ? checks.Range("fillL", q.FillL, 0.05, 50, "L", "A one- to five-litre bottle is handy.") / checks.Range("fillS", q.FillS, 1,
                3600, "s") * 60
            : (double?)null;
        var pumps = measured is null ? CheckPumps(q, checks) : [];
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        double System(double lpm) => outlets.Max(o => o.Asks(lpm));
        var top = pumps.Count == 0 ? measured!.Value : pumps.Sum(p => p.FlowAt(0));
        if (measured is null && pumps.Sum(p => p.FlowAt(System(0))) <= 0)
        {
            return Refusal.Of("pumps[0].shutOffKPa",
                $"No air comes out: the outlets ask for {Say.Number(System(0))} kPa before anything flows, and the pumps stop "
                    + $"at {Say.Number(pumps.Max(p => p.ShutOff))} kPa.",
                "Take a pump with more pressure, a shallower outlet or a coarser diffuser.");
        }

        var total = measured ?? Meet(lpm => pumps.Sum(p => p.FlowAt(System(lpm))), top);
        var pressure = System(total);
        var flows = outlets.Select(o => new OutletFlow(o.Name, o.Share * total, o.Asks(total), o.Hose(total),
            BrewRun.KLa20(o.Kind, o.DepthM, o.Share * total, volume), o.DepthM, o.Kind.Kind)).ToList();
        var kLa = flows.Sum(f => f.KLa20);
        var least = q.Brew is null ? null : LeastAir(q.Brew, flows, volume, total);
        var noAir = q.Brew is not null && least is null;
        var answer = new AirBenchAnswer(
            total, pressure, flows, kLa,
            pumps.Count == 0 ? [] : [.. Enumerable.Range(0, 25).Select(i => pumps.Max(p => p.ShutOff) * i / 24)
                .Select(kpa => new CurvePoint(pumps.Sum(p => p.FlowAt(kpa)), kpa))],
            [.. Enumerable.Range(0, 25).Select(i => top * 1.05 * i / 24).Select(lpm => new CurvePoint(lpm, System(lpm)))],
            0.25 * volume, volume, least, noAir, SayIt(total, volume, least, noAir, flows, q.Units));
        return Worked.Of(
            answer,
            "L/min",
            measured is null ? Evidence.ChemistryOrPhysics : Evidence.MeasuredHere,
            Lines(q, pumps, flows, measured, total, pressure),
            [Cautions.Pump],
            q.Brew is null
                ? [] : [PlanForks.AirFork(new PlanAir(top, total, 0.25 * volume, volume, least, flows.Max(f => f.DepthM)), volume)]);
    }

    private static IEnumerable<WorkingLine> Lines(AirBenchQuestion q, List<ReadyPump> pumps, List<OutletFlow> flows, double? measured,
        double total, double pressure) =>
            [
                .. pumps.Select(p =>
                    new WorkingLine(p.Name, p.Formula, $"{(p.Count > 1 ? $"{p.Count} of them, " : "")}{Say.Number(pressure)} kPa",
                        $"{Say.Number(p.FlowAt(pressure))} L/min", "the maker's figures; a straight curve where only the ends are known")),
                .. measured is { } m
                    ? [new WorkingLine("measured", "litres ÷ seconds · 60",
                        $"{Say.Number(q.FillL!.Value)} L in {Say.Number(q.FillS!.Value)} s", $"{Say.Number(m)} L/min",
                        "an upturned bottle filled at the outlet")] : Array.Empty<WorkingLine>(),
                .. flows.Select(f => new WorkingLine(f.Name, "ρ g h + diffuser + hose",
                    $"9.81 × {Say.Number(f.DepthM)} m + {Say.Number(f.NeedsKPa - f.HoseKPa - (KPaPerMetre * f.DepthM))} "
                        + $"+ {Say.Number(f.HoseKPa)} kPa",
                        $"{Say.Number(f.NeedsKPa)} kPa, {Say.Number(f.Lpm)} L/min, {Say.Number(f.KLa20)} per h",
                        "hydrostatics; Darcy and Blasius; ASCE 2-06")),
                new("working point", "where the pumps' curve meets what the outlets ask for",
                    Say.Count(flows.Count, "outlet"),
                    $"{Say.Number(total)} L/min at {Say.Number(pressure)} kPa", "halving"),
            ];

    /// <summary>What "enough" is asked of where no brew is given: a usual balanced tea at 20 °C over 36 h, half a millilitre each of fish
    /// and kelp and a twentieth of compost per litre, 6 L at the most.</summary>
    public static BrewQuestion UsualBrew(double volumeL) => new() {
        VolumeL = volumeL,
        TemperatureC = 20,
        Hours = 36,
        Sources = [new SourceAmount { Kind = "compost", Litres = Math.Min(volumeL / 20, 6) }],
        Foods = [new FoodAmount { Kind = "fishHydrolysate", Ml = volumeL * 0.5 },
            new FoodAmount { Kind = "kelpLiquid", Ml = volumeL * 0.5 }],
    };

    /// <summary>The outlets as the brew model takes them.</summary>
    public static IReadOnlyList<OutletAir> AsOutlets(AirBenchAnswer answer) =>
        [.. answer.Outlets.Select(o => new OutletAir { Diffuser = o.Diffuser, DepthM = o.DepthM, AirLpm = o.Lpm })];

    private static Verdict SayIt(double total, double volume, double? least, bool noAir, List<OutletFlow> flows, UnitSystem units)
    {
        string Lpm(double x) => Measures.Units.Show(x, Dimension.Flow, units);
        var rule = (total / volume) switch {
            < 0.2 => "less than the light rule asks",
            < 0.9 => "between light and heavy",
            _ =>
            "heavy air"
        };
        var dead = flows.Count > 1 && flows.Min(f => f.Lpm) < 0.1 * total ? " One outlet gets hardly any: a dead corner." : "";
        return (noAir, least) switch {
            (true, _) => new(Tone.Stop, "No air will hold this brew at 6 mg/L.",
                $"Less food or a cooler place would. It has {rule}.{dead}"),
            (_, { } l) when l > total =>
                new(Tone.Stop, $"Too little: this brew asks for {Lpm(l)}.", $"{Lpm(total)} comes out, {rule}.{dead}"),
            (_, { } l) => new(Tone.Go, $"Enough: {Lpm(total)}, and this brew asks for {Lpm(l)}.", $"It is {rule}.{dead}"),
            _ => new(dead.Length > 0 ? Tone.Mind : Tone.Go, $"{Lpm(total)} comes out.",
                $"It is {rule} for {Measures.Units.Show(volume, Dimension.Volume, units)}.{dead}"),
        };
    }

    private static double Meet(Func<double, double> pumped, double top)
    {
        var (low, high) = (0.0, top);
        for (var i = 0; i < 60; i++)
        {
            var middle = (low + high) / 2;
            (low, high) = pumped(middle) >= middle ? (middle, high) : (low, middle);
        }

        return (low + high) / 2;
    }

    private static double? LeastAir(BrewQuestion brew, List<OutletFlow> flows, double volume, double total)
    {
        BrewQuestion At(double lpm) => brew with {
            VolumeL = volume,
            Outlets = [.. flows.Select(f => new OutletAir { Diffuser = f.Diffuser, DepthM = f.DepthM, AirLpm = total > 0
                ? f.Lpm / total * lpm : lpm / flows.Count })],
        };
        return At(1).MakeReady().Refused is not null ? null : BrewBackwards.LeastAirLpm(At, volume * 4);
    }

    private sealed record ReadyOutlet(string Name, DiffuserKind Kind, double DepthM, double Share, double LossKPa, double HoseM,
        double HoseMm)
    {
        public double Hose(double totalLpm) => HoseLossKPa(Share * totalLpm, HoseM, HoseMm);

        public double Asks(double totalLpm) => (KPaPerMetre * DepthM) + LossKPa + Hose(totalLpm);
    }

    private sealed record ReadyPump(string Name, IReadOnlyList<CurvePoint> Curve, int Count, string Formula)
    {
        public double ShutOff => Curve[^1].KPa;

        /// <summary>L/min of all of them at a pressure; straight between points, nothing past the last.</summary>
        public double FlowAt(double kPa)
        {
            if (kPa >= ShutOff)
            {
                return Count * (kPa > ShutOff ? 0 : Curve[^1].Lpm);
            }

            var after = 1;
            while (after < Curve.Count - 1 && Curve[after].KPa < kPa)
            {
                after++;
            }

            var (a, b) = (Curve[after - 1], Curve[after]);
            return Count * Math.Max(0, a.Lpm + (Math.Max(kPa - a.KPa, 0) / (b.KPa - a.KPa) * (b.Lpm - a.Lpm)));
        }
    }

    private static List<ReadyOutlet> CheckOutlets(AirBenchQuestion q, Checks checks)
    {
        if (q.Outlets.Count is 0 or > 12)
        {
            checks.Add("outlets", q.Outlets.Count == 0 ? "There is no outlet." : "That is more than twelve outlets.",
                "Give one to twelve.");
            return [];
        }

        var read = q.Outlets.Select((o, i) =>
        {
            var kind = Ingredients.Diffuser(o.Diffuser);
            if (kind is null)
            {
                checks.Add($"outlets[{i}].diffuser", $"“{o.Diffuser}” is not a diffuser that the model knows.",
                    "Use one of " + string.Join(", ", Ingredients.Diffusers.Select(d => d.Kind)) + ".");
            }

            return new ReadyOutlet(
                o.Name, kind ?? Ingredients.Diffusers[0], checks.Range($"outlets[{i}].depthM", o.DepthM, 0.02, 6, "m"),
                checks.Range($"outlets[{i}].share", o.Share ?? 1, 0.001, 1, ""),
                checks.Range($"outlets[{i}].lossKPa", o.LossKPa ?? kind?.UsualLossKPa ?? 0, 0, 50, "kPa"),
                checks.Range($"outlets[{i}].hoseM", o.HoseM ?? 0, 0, 100, "m"),
                checks.Range($"outlets[{i}].hoseMm", o.HoseMm ?? 10, 2, 60, "mm"));
        }).ToList();
        var shares = read.Sum(o => o.Share);
        return [.. read.Select(o => o with { Share = o.Share / shares })];
    }

    private static List<ReadyPump> CheckPumps(AirBenchQuestion q, Checks checks)
    {
        if (q.Pumps.Count is 0 or > 6)
        {
            checks.Add("pumps", q.Pumps.Count == 0 ? "There is no pump." : "That is more than six pumps.",
                "Give one to six, or a measured fill.");
            return [];
        }

        return [.. q.Pumps.Select((p, i) =>
        {
            var count = (int)checks.Range($"pumps[{i}].count", p.Count, 1, 20, "");
            if (p.Curve is { Count: > 1 } curve)
            {
                var sorted = curve.OrderBy(c => c.KPa).ToList();
                if (sorted.Any(c => !(c.Lpm is >= 0 and <= 5000) || !(c.KPa is >= 0 and <= 200)) || sorted.Zip(sorted.Skip(1))
                    .Any(x => x.Second.Lpm > x.First.Lpm || x.Second.KPa <= x.First.KPa))
                {
                    checks.Add($"pumps[{i}].curve", "A pump gives less as it is pressed harder; this curve does not.",
                        "Give points such as 60 L/min at 0 kPa, 40 at 10, 0 at 25.");
                }

                return new ReadyPump(p.Name, sorted, count, "its own curve, straight between points");
            }

            var open = checks.Range($"pumps[{i}].openLpm", p.OpenLpm, 0.1, 5000, "L/min", "It stands on the pump's box.");
            var shut = checks.Range($"pumps[{i}].shutOffKPa", p.ShutOffKPa, 1, 200, "kPa", "It stands on the pump's box.");
            return new ReadyPump(p.Name, [new(open, 0), new(0, Math.Max(shut, 1))], count, "open flow × (1 − pressure ÷ shut-off)");
        })];
    }
}
