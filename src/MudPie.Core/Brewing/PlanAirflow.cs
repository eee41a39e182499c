using MudPie.Core.Workings;

namespace MudPie.Core.Brewing;

/// <summary>The air that a plan has: from the vessel's own set-up on the air bench, or from one pump and one diffuser.</summary>
/// <param name="Lpm">In all, L/min at depth.</param>
/// <param name="Outlets">Each outlet; null for a single one.</param>
internal sealed record PlanAirflow(double Lpm, IReadOnlyList<OutletAir>? Outlets)
{
    /// <summary>Works it out for this fill: outlets on the bench lie as deep as they were set, but never deeper than the water.</summary>
    public static Ruling<PlanAirflow> Of(BrewPlanQuestion q, double depthM, double brewL)
    {
        if (q.Bench is { Outlets.Count: > 0 } bench)
        {
            var filled = bench with {
                VolumeL = brewL,
                Brew = null,
                Outlets = [.. bench.Outlets.Select(o => o with { DepthM = Math.Min(o.DepthM ?? depthM, depthM) })]
            };
            return AirBench.Of(filled)
                .Match<Ruling<PlanAirflow>>(w => w.With(new PlanAirflow(w.Value.TotalLpm, AirBench.AsOutlets(w.Value)), "L/min"), r => r);
        }

        var loss = q.DiffuserLossKPa ?? Ingredients.Diffuser(q.Diffuser)!.UsualLossKPa;
        return Air.AtDepth(q.PumpOpenLpm, q.PumpShutOffKPa, depthM, loss)
            .Match<Ruling<PlanAirflow>>(w => w.With(new PlanAirflow(w.Value, null), "L/min"), r => r);
    }
}
