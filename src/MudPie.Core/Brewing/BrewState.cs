using System.Runtime.CompilerServices;
using System.Runtime.Intrinsics;

namespace MudPie.Core.Brewing;

/// <summary>State of a brew: Sr fast food, Sx slow food, B bacteria, F fungi (mg COD/L) as one vector, and O dissolved oxygen
/// (mg/L).</summary>
internal readonly struct BrewState(Vector256<double> cod, double oxygen)
{
    public readonly Vector256<double> Cod = cod;
    public readonly double O = oxygen;

    public double Sr => Cod.GetElement(0);

    public double Sx => Cod.GetElement(1);

    public double B => Cod.GetElement(2);

    public double F => Cod.GetElement(3);

    /// <summary>B + F, mg COD/L.</summary>
    public double Cells => Cod.GetElement(2) + Cod.GetElement(3);

    public static BrewState Of(double sr, double sx, double b, double f, double o) => new(Vector256.Create(sr, sx, b, f), o);

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static BrewState operator +(in BrewState a, in BrewState b) => new(a.Cod + b.Cod, a.O + b.O);

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static BrewState operator -(in BrewState a, in BrewState b) => new(a.Cod - b.Cod, a.O - b.O);

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static BrewState operator *(double s, in BrewState a) => new(a.Cod * s, a.O * s);
}

/// <summary>The equations of the brew model for one member. Henze et al. 2000 (ASM1) in shape; ASCE 2-06 for the air.</summary>
internal readonly struct BrewEquations(BrewParameters p, BrewClimate climate, double sourceB, double sourceF)
{
    private readonly BrewParameters _p = p;
    private readonly BrewClimate _climate = climate;
    private readonly double _releaseB = BrewParameters.Release * sourceB;
    private readonly double _releaseF = BrewParameters.Release * sourceF;

    /// <summary>d/dt of the state at hour <paramref name="t"/>, with kLa20 of the air then (per h; 0 and below mean that the air is
    /// off).</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public BrewState Slope(double t, in BrewState y, double kLa20)
    {
        var c = _climate.At(t);
        var rates = Rates(y, c);
        var k = Transfer(kLa20, t) * c.Transfer;
        var b = y.B;
        var f = y.F;
        var share = rates.Share;
        var gone = t < 40 ? Math.Exp(-BrewParameters.Release * t) : 0;
        return BrewState.Of(
            rates.Hydrolysed - (rates.GrowthB * _p.PerYieldB) - (share * rates.GrowthF * _p.PerYieldF),
            -rates.Hydrolysed - ((1 - share) * rates.GrowthF * _p.PerYieldF),
            rates.GrowthB - (BrewParameters.DecayB * c.GrowthB * b * rates.Breath) + (_releaseB * gone),
            rates.GrowthF - (BrewParameters.DecayF * c.GrowthF * f * rates.Breath) + (_releaseF * gone),
            (k * (c.OxygenFull - y.O)) - Uptake(rates, c, b, f));
    }

    /// <summary>OUR: oxygen used, mg/L per h.</summary>
    public double OxygenUse(double t, in BrewState y)
    {
        var c = _climate.At(t);
        return Uptake(Rates(y, c), c, y.B, y.F);
    }

    // No air, no stirring: at 0 L/min only the still surface breathes, as when the pump stops.
    private double Transfer(double kLa20, double t) =>
        kLa20 <= 0 ? BrewParameters.StillShare * _p.Surface : (_p.Alpha * kLa20 / (1 + (_p.Clog * t))) + _p.Surface;

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private double Uptake(in Flows r, in Climate c, double b, double f) =>
        (_p.SpentB * r.GrowthB) + (_p.SpentF * r.GrowthF)
        + (((BrewParameters.DecayB * c.GrowthB * b) + (BrewParameters.DecayF * c.GrowthF * f)) * r.Breath);

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private Flows Rates(in BrewState y, in Climate c)
    {
        // A step may overshoot nothing by a hair: food and oxygen below zero count as none.
        var sr = Math.Max(y.Sr, 0);
        var s = sr + Math.Max(y.Sx, 0);
        var o = Math.Max(y.O, 0);
        var cells = y.Cells;
        var breathB = o / (BrewParameters.HalfOxygenB + o);
        var breathF = o / (BrewParameters.HalfOxygenF + o);
        return new Flows(
            _p.MuB * c.GrowthB * sr / (BrewParameters.HalfFastB + sr) * breathB * y.B,
            _p.MuF * c.GrowthF * s / (BrewParameters.HalfFoodF + s) * breathF * y.F,
            _p.Hydrolysis * c.GrowthB * y.Sx * cells / (cells + BrewParameters.HalfCells),
            breathB,
            s > 0 ? sr / s : 0);
    }

    private readonly record struct Flows(double GrowthB, double GrowthF, double Hydrolysed, double Breath, double Share);
}
