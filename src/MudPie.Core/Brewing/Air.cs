using MudPie.Core.Measures;
using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>The air that really arrives at the bottom of a vessel.</summary>
public static class Air
{
    private const double KPaPerMetre = 9.80665; // ρ g of fresh water

    /// <summary>Q = Q_open × (1 − (ρ g h + diffuser loss) ÷ P_max), L/min; 0 where the pump cannot push that deep. A straight pump
    /// curve.</summary>
    /// <param name="open">What the box says.</param>
    /// <param name="shutOff">Pressure at which nothing flows, more than 0.</param>
    /// <param name="depth">Outlet under water.</param>
    /// <param name="loss">What the diffuser takes.</param>
    public static LitresPerMinute AtDepth(LitresPerMinute open, Kilopascals shutOff, Metres depth, Kilopascals loss) =>
        new(Math.Max(0, open.Value * (1 - (((KPaPerMetre * depth.Value) + loss.Value) / shutOff.Value))));

    /// <summary>The flow at depth with its working.</summary>
    /// <param name="openFlowLpm">What the box says, more than 0 to 5000 L/min.</param>
    /// <param name="shutOffKPa">Pressure at which nothing flows, 1 to 200 kPa.</param>
    /// <param name="depthM">Outlet under water, 0.02 to 6 m.</param>
    /// <param name="lossKPa">What the diffuser takes, 0 to 50 kPa.</param>
    /// <remarks>A 6 L/min pump of 20 kPa on an air stone (3 kPa) at 0.25 m gives 4.36 L/min.</remarks>
    public static Ruling<double> AtDepth(double? openFlowLpm, double? shutOffKPa, double? depthM, double? lossKPa)
    {
        var checks = new Checks();
        var open = checks.Range("openFlowLpm", openFlowLpm, 0.1, 5000, "L/min", "It stands on the pump's box.");
        var shut = checks.Range("shutOffKPa", shutOffKPa, 1, 200, "kPa",
            "It stands on the pump's box as pressure, or as the greatest depth: 1 m of water is 9.8 kPa.");
        var depth = checks.Range("depthM", depthM, 0.02, 6, "m");
        var loss = checks.Range("lossKPa", lossKPa ?? 0, 0, 50, "kPa");
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var q = AtDepth(new LitresPerMinute(open), new Kilopascals(shut), new Metres(depth), new Kilopascals(loss)).Value;
        if (q <= 0)
        {
            return Refusal.Of("shutOffKPa",
                $"This pump stops at {Say.Number(shut)} kPa; the water and the diffuser press back "
                    + $"with {Say.Number((KPaPerMetre * depth) + loss)} kPa, so no air comes out.",
                "Take a pump with more pressure, a shallower outlet or a coarser diffuser.");
        }

        return Worked.Of(
            q,
            "L/min",
            Evidence.ChemistryOrPhysics,
            [
                new("pressure at the outlet", "ρ g h + diffuser loss", $"9.81 × {Say.Number(depth)} m + {Say.Number(loss)} kPa",
                    $"{Say.Number((KPaPerMetre * depth) + loss)} kPa", "hydrostatics"),
                new("air at depth", "open flow × (1 − pressure ÷ shut-off)",
                    $"{Say.Number(open)} × (1 − {Say.Number((KPaPerMetre * depth) + loss)} ÷ {Say.Number(shut)})", $"{Say.Number(q)} L/min",
                    "a straight pump curve; measure by filling an upturned bottle under water to be sure"),
            ],
            [Cautions.Pump]);
    }
}
