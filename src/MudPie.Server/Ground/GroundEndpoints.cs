using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Ground;
using MudPie.Server.Lots;
using MudPie.Server.Web;

namespace MudPie.Server.Ground;

/// <summary>A bed as typed.</summary>
public sealed record BedRequest(int? Id, Guid? Version, string? Name, string? Area, string? Crop, string? Growing, string? SoilPh);

/// <summary>A water source as typed.</summary>
public sealed record WaterRequest(int? Id, string? Name, string? Kind, bool Chloramine, string? Strip, Guid? Version = null);

/// <summary>A strip as typed.</summary>
public sealed record StripRequest(string? Strip, DateTimeOffset? At);

/// <summary>A vessel as typed.</summary>
public sealed record VesselRequest(int? Id, string? Name, string? Shape, string? Total, string? Working, string? Depth,
    Guid? Version = null);

/// <summary>A pump as typed.</summary>
public sealed record PumpRequest(int? Id, string? Name, string? OpenFlow, string? ShutOff, string? Battery = null, Guid? Version = null);

/// <summary>A diffuser as typed.</summary>
public sealed record DiffuserRequest(int? Id, string? Name, string? Kind, string? Loss, Guid? Version = null);

/// <summary>Something on the shelf as typed.</summary>
public sealed record InputRequest(int? Id, string? Name, string? Kind, string? Lot, string? UnfitWhy, string? Price = null,
    Guid? Version = null);

/// <summary>A choice at a fork.</summary>
public sealed record ChoiceRequest(string? School);

/// <summary>Units to answer in.</summary>
public sealed record UnitsRequest(UnitSystem? Units);

/// <summary>How the holding writes; what is not given stays.</summary>
public sealed record WritingRequest(UnitSystem? Units, bool? MonthFirst, bool? Hours12, string? Currency);

/// <summary>What the holding is called and where it lies, as typed; an empty place is not known yet.</summary>
public sealed record HoldingPlaceRequest(string? Name, string? Place, string? Altitude, string? Zone);

/// <summary>Ground and kit.</summary>
public static class GroundEndpoints
{
    /// <summary>What can be done.</summary>
    public static void MapGround(this IEndpointRouteBuilder api)
    {
        api.MapGet("/holding", Holding).ForVisitor("The holding, its units and its choices of school.");
        api.MapPost("/holding/units", SetUnits).ForOwner("Sets the units that words are in.");
        api.MapPost("/holding/writing", SetWriting).ForOwner("Sets how units, days, hours and money are written.");
        api.MapPost("/holding/place", SetPlace).ForOwner("Says what the holding is called and where it lies.");
        api.MapPost("/holding/forks/{fork}", Choose).ForOwner("Chooses a school.");
        api.MapGet("/ground", Read).ForVisitor("Beds, vessels, pumps, diffusers and waters.").Remember();
        api.MapPost("/ground/beds", KeepBed).ForHand("Keeps a bed.");
        api.MapPost("/ground/waters", KeepWater).ForHand("Keeps a water.");
        api.MapPost("/ground/waters/{id:int}/strips", AddStrip).ForHand("Keeps a strip that was read.");
        api.MapPost("/ground/vessels", KeepVessel).ForHand("Keeps a vessel.");
        api.MapPost("/ground/pumps", KeepPump).ForHand("Keeps a pump.");
        api.MapPost("/ground/diffusers", KeepDiffuser).ForHand("Keeps a diffuser.");
        api.MapPost("/ground/inputs", KeepInput).ForHand("Keeps something that goes into brews.");
    }

    private static async Task<Ok<HoldingView>> Holding(HoldingClock clock)
    {
        if (await clock.Find() is not { } h)
        {
            return TypedResults.Ok(new HoldingView(false, "", "UTC", UnitSystem.Metric, false, 0, 0, 0, clock.Now, null));
        }

        return TypedResults.Ok(new HoldingView(true, h.Name, h.Zone, h.Units, h.IsDemo, h.Latitude, h.Longitude, h.AltitudeM, clock.Now,
            h.Own) {
            Altitude = Units.Typed(h.AltitudeM, Dimension.Length, h.Units), PlaceKnown = h.PlaceKnown,
            MonthFirst = h.MonthFirst, Hours12 = h.Hours12, Currency = h.Currency
        });
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> SetWriting(WritingRequest r, HoldingDb db, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var currency = (r.Currency ?? "").Trim();
        if (currency.Length > Writing.LongestCurrency || currency.Any(c => char.IsDigit(c) || char.IsControl(c) || c is ',' or '.'))
        {
            return Refusal.Of("currency", $"“{(currency.Length > 40 ? currency[..40] + "…" : currency)}” can’t stand beside a figure.",
                $"Write a sign or a word of up to {Writing.LongestCurrency} letters, as £ or crowns; or leave it empty.");
        }

        if (await db.Holdings.OrderBy(h => h.Id).FirstOrDefaultAsync() is not { } holding)
        {
            return Writes.NoHolding;
        }

        (holding.Units, holding.MonthFirst, holding.Hours12, holding.Currency) = (r.Units ?? holding.Units, r.MonthFirst
            ?? holding.MonthFirst, r.Hours12 ?? holding.Hours12, r.Currency is null ? holding.Currency : currency);
        return Writes.Done(new Kept(holding.Id));
    });

    private static Task<Results<Written<Kept>, Refused, Clash>> SetPlace(HoldingPlaceRequest r, HoldingDb db, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        if (await db.Holdings.OrderBy(h => h.Id).FirstOrDefaultAsync() is not { } holding)
        {
            return Writes.NoHolding;
        }

        var fields = new TypedFields(holding.Units);
        var name = fields.Name("name", r.Name ?? holding.Name, "the holding");
        SetupEndpoints.Lies(holding, r.Place, r.Altitude, r.Zone, fields);
        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        holding.Name = name;
        return Writes.Done(new Kept(holding.Id));
    });

    private static Task<Results<Written<Kept>, Refused, Clash>> SetUnits(UnitsRequest request, HoldingDb db, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        if (await db.Holdings.OrderBy(h => h.Id).FirstOrDefaultAsync() is not { } holding)
        {
            return Writes.NoHolding;
        }

        holding.Units = request.Units ?? UnitSystem.Metric;
        return Writes.Done(new Kept(holding.Id));
    });

    private static Task<Results<Written<Kept>, Refused, Clash>> Choose(string fork, ChoiceRequest request, HoldingDb db, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        if (fork.Length > 40 || string.IsNullOrWhiteSpace(request.School) || request.School.Length > 40)
        {
            return Refusal.Of("school", "No school was chosen.", "Choose one of those shown at the fork.");
        }

        if (KnownForks.Wrong("school", fork, request.School) is { } wrong)
        {
            return new Refusal([wrong]);
        }

        var choice = await db.ForkChoices.FindAsync(fork);
        if (choice is null)
        {
            db.ForkChoices.Add(new ForkChoice { ForkId = fork, SchoolId = request.School });
        }
        else
        {
            choice.SchoolId = request.School;
        }

        return Writes.Done(new Kept(0));
    });

    private static async Task<Ok<GroundView>> Read(HoldingDb db, HoldingClock clock)
    {
        var units = await clock.Units();
        string Show(double si, Dimension d) => Units.Show(si, d, units);
        var lives = await Lives.Of(db, clock.Now);
        var beds = await db.Beds.AsNoTracking().OrderBy(b => b.Id).Take(500).ToListAsync();
        var local = await clock.Local();
        var waits = (await Book.Waits.Running(db, clock.Now)).ToDictionary(w => w.BedId,
            w => $"no harvest before {Say.Date(local(w.Until))}: {w.What}, {w.Reason}");
        var waters = await db.Waters.AsNoTracking().OrderBy(w => w.Id)
            .Select(w => new {
                w.Id, w.Version, w.Name, w.Kind, w.Chloramine, Strip = w.Strips.OrderByDescending(s => s.At)
                .ThenByDescending(s => s.Id).Select(s => new { s.MgPerL, s.At }).FirstOrDefault()
            }).ToListAsync();
        var vessels = await db.Vessels.AsNoTracking().OrderBy(v => v.Id).ToListAsync();
        var pumps = await db.Pumps.AsNoTracking().OrderBy(v => v.Id).ToListAsync();
        var diffusers = await db.Diffusers.AsNoTracking().OrderBy(v => v.Id).ToListAsync();
        var inputs = await db.Inputs.AsNoTracking().OrderBy(v => v.Id).ToListAsync();
        var air = from v in vessels
                  let d = diffusers.OrderBy(x => x.Kind == KitChoice.UsualDiffuser(v.Shape) ? 0 : 1).FirstOrDefault()
                  where d is not null
                  from p in pumps
                  let q = Air.AtDepth(p.OpenLpm, p.ShutOffKPa, v.DepthM, d.LossKPa ?? Ingredients.Diffuser(d.Kind)!.UsualLossKPa)
                  select new AirAtDepth(p.Id, v.Id, d.Id, q.Refused is null ? q.Value : null, q.Refused is null
                      ? GroundSays.Air(q.Value, p.OpenLpm, v.WorkingL, v.DepthM, units) : q.Refused.Problems[0].ToString());
        return TypedResults.Ok(new GroundView(
            [.. beds.Select(b => new BedView(b.Id, b.Name, b.AreaM2, b.AreaTyped, Show(b.AreaM2, Dimension.Area), b.Crop, b.Growing,
                b.SoilPh, b.Version, GroundSays.Bed(b.AreaM2, b.SoilPh, lives.GetValueOrDefault(b.Id)?.ForDose, units),
                lives.GetValueOrDefault(b.Id)?.Life, waits.GetValueOrDefault(b.Id), b.Eaten))],
            [.. waters.Select(w => new WaterView(w.Id, w.Name, w.Kind, w.Chloramine, w.Strip?.MgPerL, w.Strip?.At,
                GroundSays.Water(w.Kind, w.Strip?.MgPerL, w.Chloramine, units), w.Version))],
            [.. vessels.Select(v => new VesselRow(v.Id, v.Name, v.Shape, v.TotalL, v.WorkingL, v.DepthM, Show(v.WorkingL, Dimension.Volume),
                Show(v.DepthM, Dimension.Length), GroundSays.Vessel(v.TotalL, v.WorkingL, units), v.Version))],
            [.. pumps.Select(p => new PumpRow(p.Id, p.Name, p.OpenLpm, p.ShutOffKPa, Show(p.OpenLpm, Dimension.Flow),
                Show(p.ShutOffKPa, Dimension.Pressure), GroundSays.Pump(p.ShutOffKPa, units)
                    + (p.BatteryHours is { } h ? $" Its battery lasts {Say.Hours(h)}." : ""), p.BatteryHours, p.Version))],
            [.. diffusers.Select(d => new DiffuserRow(d.Id, d.Name, d.Kind, d.LossKPa,
                GroundSays.Diffuser(Ingredients.Diffuser(d.Kind)!, d.LossKPa, units), d.Version))],
            [.. inputs.Select(i => new InputRow(i.Id, i.Name, i.Kind, i.Lot, i.UnfitWhy, i.Price is { } p
                ? Say.Fixed(Per.Price(p, StockKeeper.UnitOf(i), units), 2) : null, i.Price is { } q
                    ? Per.PriceShown(q, StockKeeper.UnitOf(i), units) : null, i.Version))],
            [.. air.Take(400)],
            [.. Ingredients.Sources.Select(s => new KindView(s.Kind, s.Name))],
            [.. Ingredients.Foods.Select(s => new KindView(s.Kind, s.Name))],
            [.. Ingredients.Clearers.Select(s => new KindView(s.Kind, s.Name))],
            [.. Ingredients.Diffusers.Select(s => new KindView(s.Kind, s.Name))],
            await db.ForkChoices.AsNoTracking().ToDictionaryAsync(f => f.ForkId, f => f.SchoolId), Per.SmallArea(units)));
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> KeepBed(BedRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        Keep(db, clock, writes, fields => KitReader.Bed(r, fields, db, clock.Now), b => b.Id);

    private static Task<Results<Written<Kept>, Refused, Clash>> KeepWater(WaterRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) =>
        Keep(db, clock, writes, fields => KitReader.Water(r, fields, db, clock.Now), w => w.Id);

    private static Task<Results<Written<Kept>, Refused, Clash>> KeepVessel(VesselRequest r, HoldingDb db, HoldingClock clock,
        Writes writes, IVesselCard card) =>
        Keep(db, clock, writes, async fields =>
    {
        var vessel = await KitReader.Vessel(r, fields, db);
        if (fields.Checks.Sound && await card.Follow(vessel, "name") is { } refused)
        {
            fields.Checks.Add(refused);
        }

        return vessel;
    }, v => v.Id);

    private static Task<Results<Written<Kept>, Refused, Clash>> KeepPump(PumpRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        Keep(db, clock, writes, fields => KitReader.Pump(r, fields, db), p => p.Id);

    private static Task<Results<Written<Kept>, Refused, Clash>> KeepDiffuser(DiffuserRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) =>
        Keep(db, clock, writes, fields => KitReader.Diffuser(r, fields, db), d => d.Id);

    private static Task<Results<Written<Kept>, Refused, Clash>> KeepInput(InputRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) =>
        Keep(db, clock, writes, fields => KitReader.Input(r, fields, db), i => i.Id);

    private static Task<Results<Written<Kept>, Refused, Clash>> AddStrip(int id, StripRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) =>
        Keep(db, clock, writes, async fields =>
    {
        var strip = new StripReading {
            WaterSourceId = id,
            At = fields.Past("at", r.At, clock.Now),
            MgPerL = fields.Quantity("strip", r.Strip, Dimension.Concentration, 0, WaterClearing.Highest,
                "Above 10 a strip is not to be trusted."),
        };
        if (!await db.Waters.AnyAsync(w => w.Id == id))
        {
            fields.Checks.Add("id", "There is no such water.", "Choose from the list.");
        }

        db.Strips.Add(strip);
        return strip;
    }, s => s.Id);

    private static Task<Results<Written<Kept>, Refused, Clash>> Keep<T>(HoldingDb db, HoldingClock clock, Writes writes,
        Func<TypedFields, Task<T>> read,
        Func<T, int> id) => writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var thing = await read(fields);
        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        await db.SaveChangesAsync();
        return Writes.Done(new Kept(id(thing)));
    });
}
