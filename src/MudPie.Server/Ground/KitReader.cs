using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Records;
using MudPie.Records.Ground;
using MudPie.Records.Shelf;
using MudPie.Server.Web;

namespace MudPie.Server.Ground;

/// <summary>Reads ground and kit as typed, new or changed, and adds them to the context. Ranges are those that the rules of the core
/// accept.</summary>
public static class KitReader
{
    /// <summary>Largest believable vessel of a shape, L.</summary>
    private static double MostOf(string shape) => shape switch { "bucket" => 60, "barrel" => 600, _ => 5000 };

    /// <summary>A bed.</summary>
    public static async Task<Bed> Bed(BedRequest r, TypedFields fields, HoldingDb db, DateTimeOffset now)
    {
        var area = fields.Quantity("area", r.Area, Dimension.Area, 0.1, 1_000_000);
        var bed = await Old(db.Beds, r.Id, fields) ?? Added(db, new Bed { Name = "", AreaTyped = "", Crop = "", Growing = "" });
        db.Seen(bed, r.Version, fields.Checks);
        bed.Name = fields.Name("name", r.Name, "the bed");
        bed.AreaM2 = area;
        bed.AreaTyped = (r.Area ?? "").Trim();
        var (was, crop) = (bed.Crop, fields.Name("crop", r.Crop, "the crop"));
        bed.Crop = crop;
        bed.Growing = fields.OneOf("growing", r.Growing, "annual", "grass", "perennial", "tree");
        bed.SoilPh = fields.Optional("soilPh", r.SoilPh, Dimension.Plain, 3, 10);
        await Unique(db.Beds.Where(b => b.Id != bed.Id).Select(b => b.Name), bed.Name, fields);
        if (bed.Id > 0 && was != crop && fields.Checks.Sound)
        {
            await PlantingBook.Begin(db, bed, (crop, null), now, ends: true); // another crop is another planting
        }

        return bed;
    }

    /// <summary>A water source, with a first strip if one was read.</summary>
    public static async Task<WaterSource> Water(WaterRequest r, TypedFields fields, HoldingDb db, DateTimeOffset now)
    {
        var strip = fields.Optional("strip", r.Strip, Dimension.Concentration, 0, WaterClearing.Highest);
        var water = await Old(db.Waters, r.Id, fields) ?? Added(db, new WaterSource { Name = "" });
        db.Seen(water, r.Version, fields.Checks);
        water.Name = fields.Name("name", r.Name, "the water");
        water.Kind = fields.OneOf<WaterKind>("kind", r.Kind);
        water.Chloramine = r.Chloramine;
        if (strip is { } mg)
        {
            water.Strips.Add(new StripReading { At = now, MgPerL = mg });
        }

        return water;
    }

    /// <summary>A vessel.</summary>
    public static async Task<Vessel> Vessel(VesselRequest r, TypedFields fields, HoldingDb db)
    {
        var shape = fields.OneOf("shape", r.Shape, "bucket", "barrel", "tank");
        var total = fields.Quantity("total", r.Total, Dimension.Volume, 1, MostOf(shape), $"That is the range of a {shape}.");
        var working = string.IsNullOrWhiteSpace(r.Working) ? total * 0.85 : fields.Quantity("working", r.Working, Dimension.Volume, 1,
            Math.Max(total, 1), "No more than it holds: leave about 15 % for foam.");
        var vessel = await Old(db.Vessels, r.Id, fields) ?? Added(db, new Vessel { Name = "", Shape = "" });
        db.Seen(vessel, r.Version, fields.Checks);
        vessel.Name = fields.Name("name", r.Name, "the vessel");
        vessel.Shape = shape;
        vessel.TotalL = total;
        vessel.WorkingL = working;
        vessel.DepthM = fields.Quantity("depth", r.Depth, Dimension.Length, 0.05, 5);
        await Unique(db.Vessels.Where(v => v.Id != vessel.Id).Select(v => v.Name), vessel.Name, fields);
        return vessel;
    }

    /// <summary>A pump.</summary>
    public static async Task<Pump> Pump(PumpRequest r, TypedFields fields, HoldingDb db)
    {
        var pump = await Old(db.Pumps, r.Id, fields) ?? Added(db, new Pump { Name = "" });
        db.Seen(pump, r.Version, fields.Checks);
        pump.Name = fields.Name("name", r.Name, "the pump");
        pump.OpenLpm = fields.Quantity("openFlow", r.OpenFlow, Dimension.Flow, 0.1, 5000, "It stands on the pump's box.");
        pump.ShutOffKPa = fields.Quantity("shutOff", r.ShutOff, Dimension.Pressure, 1, 200,
            "It stands on the box as pressure, or as the greatest depth: 1 m of water is 9.8 kPa.");
        pump.BatteryHours = fields.Optional("battery", r.Battery, Dimension.Plain, 0.1, 72);
        return pump;
    }

    /// <summary>A diffuser.</summary>
    public static async Task<Diffuser> Diffuser(DiffuserRequest r, TypedFields fields, HoldingDb db)
    {
        var diffuser = await Old(db.Diffusers, r.Id, fields) ?? Added(db, new Diffuser { Name = "", Kind = "" });
        db.Seen(diffuser, r.Version, fields.Checks);
        diffuser.Name = fields.Name("name", r.Name, "the diffuser");
        diffuser.Kind = fields.OneOf("kind", r.Kind, [.. Ingredients.Diffusers.Select(d => d.Kind)]);
        diffuser.LossKPa = fields.Optional("loss", r.Loss, Dimension.Pressure, 0, 50);
        return diffuser;
    }

    /// <summary>Something on the shelf.</summary>
    public static async Task<Input> Input(InputRequest r, TypedFields fields, HoldingDb db)
    {
        var input = await Old(db.Inputs, r.Id, fields) ?? Added(db, new Input { Name = "", Kind = "" });
        db.Seen(input, r.Version, fields.Checks);
        input.Name = fields.Name("name", r.Name, "it");
        input.Kind = fields.OneOf("kind", r.Kind, [.. Core.Shelf.InputKinds.All.Select(k => k.Kind)]);
        var unit = input.Unit ?? Core.Shelf.InputKinds.Of(input.Kind).Unit;
        input.Price = string.IsNullOrWhiteSpace(r.Price)
            ? null : Per.PriceSi(fields.Quantity("price", r.Price, Dimension.Plain, 0, 100_000,
                $"Give the price of a {Per.PricedBy("L", fields.Units)}, or of a {Per.PricedBy("kg", fields.Units)} of a powder."), unit,
                fields.Units);
        input.Lot = string.IsNullOrWhiteSpace(r.Lot) ? null : fields.Name("lot", r.Lot, "the lot");
        input.UnfitWhy = string.IsNullOrWhiteSpace(r.UnfitWhy) ? null : fields.Name("unfitWhy", r.UnfitWhy, "the reason");
        return input;
    }

    private static T Added<T>(HoldingDb db, T thing)
        where T : class
    {
        db.Add(thing);
        return thing;
    }

    private static async Task<T?> Old<T>(DbSet<T> set, int? id, TypedFields fields)
        where T : class
    {
        var found = id is null ? null : await set.FindAsync(id.Value);
        if (id is not null && found is null)
        {
            fields.Checks.Add("id", "It is not there any more.", "Load the list again.");
        }

        return found;
    }

    private static async Task Unique(IQueryable<string> others, string name, TypedFields fields)
    {
        if (name.Length > 0 && (await others.ToListAsync()).Contains(name, StringComparer.OrdinalIgnoreCase))
        {
            fields.Checks.Add("name", $"There is a “{name}” already.", "Give it another name.");
        }
    }
}
