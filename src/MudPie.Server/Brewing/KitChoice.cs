using MudPie.Core.Brewing;

namespace MudPie.Server.Brewing;

/// <summary>Proposes the kit that a grower has not chosen.</summary>
public static class KitChoice
{
    /// <summary>What usually hangs in a vessel of that shape.</summary>
    public static string UsualDiffuser(string shape) =>
        shape switch { "bucket" => "airStone", "barrel" => "drilledPipe", _ => "fineMembrane" };

    /// <summary>
    /// The smallest vessel that holds what the ground asks for, else the largest; the pump nearest to 0.35 L/min per litre;
    /// the diffuser usual for the vessel; the first water that is fit.
    /// </summary>
    public static PlanRequest Complete(PlanRequest r, KitSnapshot kit)
    {
        var wanted = BrewPlan.WantedL(r.BedIds.Distinct().Where(kit.Beds.ContainsKey).Select(id => kit.Beds[id]),
            r.Purpose == Purpose.Leaf);
        var vessel = r.VesselId is { } given ? kit.Vessels.FirstOrDefault(v => v.Id == given)
            : kit.Vessels.FirstOrDefault(v => v.WorkingL >= wanted) ?? kit.Vessels.LastOrDefault();
        if (vessel is null)
        {
            return r;
        }

        var usual = UsualDiffuser(vessel.Shape);
        return r with {
            VesselId = vessel.Id,
            PumpId = r.PumpId ?? kit.Pumps.Where(p => p.BatteryHours is null)
                .MinBy(p => Math.Abs(Math.Log(p.OpenLpm / (0.35 * vessel.WorkingL))))?.Id,
            DiffuserId = r.DiffuserId ?? (kit.Diffusers.FirstOrDefault(d => d.Kind == usual) ?? kit.Diffusers.FirstOrDefault())?.Id,
            // open water last, and then only after a test
            WaterSourceId = r.WaterSourceId ?? (kit.Waters.FirstOrDefault(w => w.Kind != "surface") ?? kit.Waters.FirstOrDefault())?.Id,
        };
    }
}
