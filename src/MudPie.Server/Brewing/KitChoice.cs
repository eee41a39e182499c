using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Records;

namespace MudPie.Server.Brewing;

/// <summary>Proposes the kit that a grower has not chosen.</summary>
public static class KitChoice
{
    /// <summary>What usually hangs in a vessel of that shape.</summary>
    public static string UsualDiffuser(string shape) => shape switch { "bucket" => "airStone", "barrel" => "drilledPipe", _ => "fineMembrane" };

    /// <summary>
    /// The smallest vessel that holds what the ground asks for, else the largest; the pump nearest to 0.35 L/min per litre;
    /// the diffuser usual for the vessel; the first water that is fit.
    /// </summary>
    public static async Task<PlanRequest> Complete(PlanRequest r, HoldingDb db)
    {
        if (r.VesselId is null)
        {
            var area = await db.Beds.Where(b => r.BedIds.Contains(b.Id)).SumAsync(b => b.AreaM2);
            var wanted = area / 100 * BrewPlan.LitresPer100M2(r.Purpose == "leaf");
            var vessels = await db.Vessels.AsNoTracking().OrderBy(v => v.WorkingL).ToListAsync();
            r = r with { VesselId = (vessels.Find(v => v.WorkingL >= wanted) ?? vessels.LastOrDefault())?.Id };
        }

        var vessel = await db.Vessels.AsNoTracking().FirstOrDefaultAsync(v => v.Id == r.VesselId);
        if (vessel is null)
        {
            return r;
        }

        if (r.PumpId is null)
        {
            var pumps = await db.Pumps.AsNoTracking().ToListAsync();
            r = r with { PumpId = pumps.MinBy(p => Math.Abs(Math.Log(p.OpenLpm / (0.35 * vessel.WorkingL))))?.Id };
        }

        if (r.DiffuserId is null)
        {
            var usual = UsualDiffuser(vessel.Shape);
            r = r with { DiffuserId = await db.Diffusers.OrderBy(d => d.Kind == usual ? 0 : 1).ThenBy(d => d.Id).Select(d => (int?)d.Id).FirstOrDefaultAsync() };
        }

        return r.WaterSourceId is not null ? r : r with { WaterSourceId = await db.Waters.Where(w => w.Kind != "surface").OrderBy(w => w.Id).Select(w => (int?)w.Id).FirstOrDefaultAsync() };
    }
}
