using MudPie.Core.Brewing;

namespace MudPie.Core.Tests.Brewing;

/// <summary>
/// The equations of the brew model written a second time, as plainly as they stand on paper, and stepped by classical Runge–Kutta
/// with a small fixed step: slow, and independent of the solver under test.
/// </summary>
internal sealed class PlainSolver
{
    private readonly BrewQuestion _q;
    private readonly double _volume;
    private readonly double _pressure;
    private readonly double _sourceB;
    private readonly double _sourceF;
    private readonly double _kLa20;
    private readonly double _airLpm;

    public PlainSolver(BrewQuestion q)
    {
        _q = q;
        _volume = q.VolumeL!.Value;
        _pressure = Math.Pow(1 - (2.25577e-5 * (q.AltitudeM ?? 0)), 5.25588);
        foreach (var s in q.Sources ?? [])
        {
            var (kgPerL, fast, slow, bacteria, fungi) = s.Kind == "castings" ? (0.65, 0.0010, 0.006, 0.70, 0.08)
                : (0.50, 0.0008, 0.005, 0.45, 0.12);
            var gramsPerL = s.Litres!.Value * kgPerL * 1000 / _volume;
            StartSr += gramsPerL * fast * 1000;
            StartSx += gramsPerL * slow * 1000;
            _sourceB += gramsPerL * bacteria;
            _sourceF += gramsPerL * fungi;
        }

        var outlets = q.Outlets is { Count: > 0 } several
            ? several : [new OutletAir { Diffuser = q.Diffuser, DepthM = q.DepthM, AirLpm = q.AirLpm }];
        foreach (var o in outlets)
        {
            var sote = o.Diffuser switch { "openHose" => 0.015, "drilledPipe" => 0.02, "airStone" => 0.05, _ => 0.065 };
            _kLa20 += sote * o.DepthM!.Value * o.AirLpm!.Value * 60 * 278.7 / (_volume * OxygenSaturation.MgPerLitre(20, 1));
            _airLpm += o.AirLpm!.Value;
        }
    }

    private double StartSr { get; }

    private double StartSx { get; }

    /// <summary>Oxygen and cells at each asked hour.</summary>
    public List<(double H, double Oxygen, double Bacteria, double Fungi)> Run(params double[] hours)
    {
        const double h = 0.002;
        var (sr, sx) = (StartSr, StartSx);
        foreach (var f in (_q.Foods ?? []).Where(f => (f.AtH ?? 0) <= 0))
        {
            var (fast, slow) = FoodMgPerL(f);
            (sr, sx) = (sr + fast, sx + slow);
        }

        double[] y = [sr, sx, 0.05 * _sourceB, 0.05 * _sourceF, 0.97 * Saturation(0)];
        var found = new List<(double, double, double, double)>();
        var fed = new HashSet<FoodAmount>();
        var step = 0;
        foreach (var until in hours)
        {
            for (; step * h < until - 1e-9; step++)
            {
                var t = step * h;
                foreach (var f in (_q.Foods ?? []).Where(f => f.AtH > 0 && f.AtH <= t + 1e-9 && fed.Add(f)))
                {
                    var (fast, slow) = FoodMgPerL(f);
                    (y[0], y[1]) = (y[0] + fast, y[1] + slow);
                }

                y = Step(t, y, h);
            }

            found.Add((until, y[4], y[2], y[3]));
        }

        return found;
    }

    private (double Fast, double Slow) FoodMgPerL(FoodAmount f)
    {
        var (density, fast, slow) = f.Kind switch {
            "molasses" => (1.40, 0.55, 0.05),
            "fishHydrolysate" => (1.10, 0.12, 0.25),
            "kelpLiquid" => (1.05, 0.03, 0.08),
            "kelpPowder" => (0.60, 0.15, 0.60),
            "humicLiquid" => (1.08, 0.0, 0.02),
            "oatFlour" => (0.55, 0.05, 1.00),
            _ => (1.28, 0.65, 0.0),
        };
        var grams = f.Ml!.Value * density / _volume;
        return (grams * fast * 1000, grams * slow * 1000);
    }

    private double Warmth(double t)
    {
        if (_q.TemperatureByHour is { Count: > 0 } s)
        {
            var i = Math.Min((int)t, s.Count - 1);
            return i + 1 < s.Count ? s[i] + ((t - i) * (s[i + 1] - s[i])) : s[i];
        }

        return _q.TemperatureC!.Value + ((_q.SwingC ?? 0) * Math.Sin(2 * Math.PI * (t + (_q.StartHour ?? 0) - 9) / 24));
    }

    private double Saturation(double t) => OxygenSaturation.MgPerLitre(Warmth(t), _pressure);

    private static double Ctmi(double t, double a, double o, double m) =>
        t <= a || t >= m ? 0 : (t - m) * Math.Pow(t - a, 2) / ((o - a) * (((o - a) * (t - o)) - ((o - m) * (o + a - (2 * t)))));

    private double Transfer(double t)
    {
        var theta = Math.Pow(1.024, Warmth(t) - 20);
        if (t >= (_q.AirOffAtH ?? double.PositiveInfinity))
        {
            return 0.15 * 1.0 * theta;
        }

        var air = _airLpm;
        foreach (var change in (_q.AirChanges ?? []).Where(c => c.AtH <= t + 1e-9))
        {
            air = change.AirLpm;
        }

        return air <= 0 && (_q.AirChanges?.Count ?? 0) > 0 ? 0.15 * 1.0 * theta : ((0.7 * _kLa20 * air / _airLpm) + 1.0) * theta;
    }

    private double[] Slope(double t, double[] y)
    {
        var (sr, sx, b, f, o) = (y[0], y[1], y[2], y[3], y[4]);
        var (gb, gf) = (Ctmi(Warmth(t), 2, 33, 43) / Ctmi(20, 2, 33, 43), Ctmi(Warmth(t), 2, 27, 36) / Ctmi(20, 2, 27, 36));
        var s = sr + sx;
        var r = s > 0 ? sr / s : 0;
        var muB = 0.28 * gb * sr / (25 + sr) * o / (0.3 + o);
        var muF = 0.24 * gf * s / (200 + s) * o / (0.6 + o);
        var hydrolysis = 0.04 * gb * sx * (b + f) / (b + f + 30);
        var breath = o / (0.3 + o);
        var use = ((1 - 0.6) / 0.6 * muB * b) + ((1 - 0.5) / 0.5 * muF * f) + ((0.010 * gb * b) + (0.006 * gf * f)) * Breath(o, breath);
        var released = 1.2 * Math.Exp(-1.2 * t);
        return
        [
            hydrolysis - (muB * b / 0.6) - (r * muF * f / 0.5),
            -hydrolysis - ((1 - r) * muF * f / 0.5),
            (muB * b) - (0.010 * gb * b * breath) + (released * _sourceB),
            (muF * f) - (0.006 * gf * f * breath) + (released * _sourceF),
            (Transfer(t) * ((0.97 * Saturation(t)) - o)) - use,
        ];
    }

    private static double Breath(double oxygen, double breath) => oxygen > 0 ? breath : 0;

    private double[] Step(double t, double[] y, double h)
    {
        double[] Add(double[] k, double by) => [.. y.Select((v, i) => v + (by * k[i]))];
        var k1 = Slope(t, y);
        var k2 = Slope(t + (h / 2), Add(k1, h / 2));
        var k3 = Slope(t + (h / 2), Add(k2, h / 2));
        var k4 = Slope(t + (h * 0.9999999), Add(k3, h));
        return [.. y.Select((v, i) => v + (h / 6 * (k1[i] + (2 * k2[i]) + (2 * k3[i]) + k4[i])))];
    }
}
