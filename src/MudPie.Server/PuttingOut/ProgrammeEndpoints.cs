using Microsoft.EntityFrameworkCore;
using MudPie.Core.Ground;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Season;
using MudPie.Server.Web;

namespace MudPie.Server.PuttingOut;

/// <summary>A season to lay out.</summary>
public sealed record ProgrammeRequest(int? BedId, DateOnly? Start, DateOnly? Harvest);

/// <summary>A giving as typed.</summary>
public sealed record GivingRequest(string? Kind, DateOnly? On, Purpose? Purpose, string? OneIn);

/// <summary>Where a giving goes to.</summary>
public sealed record MoveGivingRequest(DateOnly? On, Guid? Version);

/// <summary>Stages as the grower dates them; none takes the crop's table again.</summary>
public sealed record StagesRequest(IReadOnlyList<StageFrom>? Stages);

/// <summary>A proposal to be laid out.</summary>
public sealed record ProposeRequest(string? Kind);

/// <summary>Dried or liquid, as typed.</summary>
public sealed record DriedRequest(string? LiquidPerHa, string? Times, string? LiquidPrice, string? DriedPerHa,
    string? DriedPrice, bool Wet);

/// <summary>A season's programme of biostimulants.</summary>
public static class ProgrammeEndpoints
{
    /// <summary>What can be done.</summary>
    public static void MapProgrammes(this IEndpointRouteBuilder api)
    {
        api.MapGet("/put-out/programmes", Read).ForVisitor("The season's givings, bed by bed.");
        api.MapPost("/put-out/programmes", Keep).ForHand("Lays a season out for a bed.");
        api.MapPost("/put-out/programmes/{id:int}/givings", Add).ForHand("Adds a giving.");
        api.MapPost("/put-out/programmes/{id:int}/propose", Propose).ForHand("Lays out what is usual for a kind.");
        api.MapPost("/put-out/programmes/{id:int}/stages", Date).ForHand("Dates the crop's stages by hand.");
        api.MapPost("/put-out/givings/{id:int}/move", Move).ForHand("Moves a giving to another day.");
        api.MapPost("/put-out/givings/{id:int}/drop", Drop).ForHand("Drops a giving that was not done.");
        api.MapPost("/put-out/dried-or-liquid/work-out", Dried).ForVisitor("Dried or liquid: what each costs on the ground.");
    }

    private static async Task<Ok<ProgrammesView>> Read(HoldingDb db, HoldingClock clock)
    {
        var units = await clock.Units();
        var dosing = await Dosing.Of(db);
        var programmes = await db.Programmes.AsNoTracking().Include(p => p.Bed).Include(p => p.Givings).OrderByDescending(p => p.Start)
            .Take(40).ToListAsync();
        return TypedResults.Ok(new ProgrammesView([.. programmes.Select(p => ProgrammeViews.Of(p, units, dosing))],
            [.. Biostimulants.Kinds.Select(k => ProgrammeViews.Kind(k, units))], dosing.MixLPerHa, dosing.SprayerId));
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Keep(ProgrammeRequest r, HoldingDb db, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var bed = await db.Beds.AsNoTracking().FirstOrDefaultAsync(b => b.Id == r.BedId);
        var checks = new Checks();
        if (bed is null)
        {
            checks.Add("bedId", "No bed was chosen.", "Choose the bed it is for.");
        }

        var asked = Biostimulants.Check(new ProgrammeQuestion { Start = r.Start, Harvest = r.Harvest, AreaM2 = bed?.AreaM2 ?? 1 });
        if (asked.Refused is { } refused)
        {
            checks.Add(refused);
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var programme = await db.Programmes.FirstOrDefaultAsync(p => p.BedId == bed!.Id && p.Start <= r.Harvest && p.Harvest >= r.Start);
        if (programme is null)
        {
            programme = new Programme { BedId = bed!.Id };
            db.Programmes.Add(programme);
        }

        (programme.Start, programme.Harvest) = (r.Start!.Value, r.Harvest!.Value);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(programme.Id));
    });

    private static Task<Results<Written<Kept>, Refused, Clash>> Add(int id, GivingRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var programme = await db.Programmes.FindAsync(id);
        var giving = new Giving {
            ProgrammeId = id, Kind = fields.OneOf("kind", r.Kind, [.. Biostimulants.Kinds.Select(k => k.Kind)]),
            On = On(r.On, programme, fields), Purpose = fields.Checks.One("purpose", r.Purpose)
        };
        if (!string.IsNullOrWhiteSpace(r.OneIn))
        {
            Dilutions.Read(r.OneIn).Match(w => { giving.OneIn = w.Value.OneIn; return true; },
                no => { fields.Checks.Add("oneIn", no.Problems[0].Wrong, no.Problems[0].WayOut); return false; });
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        db.Givings.Add(giving);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(giving.Id));
    });

    private static Task<Results<Written<Kept>, Refused, Clash>> Propose(int id, ProposeRequest r, HoldingDb db, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        if (await db.Programmes.Include(p => p.Givings).Include(p => p.Bed).FirstOrDefaultAsync(p => p.Id == id) is not { } programme)
        {
            return Refusal.Of("id", "There is no such programme.", "Load the list again.");
        }

        var proposed = Biostimulants.Propose(r.Kind, programme.Start, programme.Harvest, programme.Bed.Crop, programme.Stages);
        if (proposed.Refused is { } refused)
        {
            return refused;
        }

        foreach (var step in proposed.Value.Where(s => !programme.Givings.Any(g => g.Kind == s.Kind && g.On == s.On)))
        {
            programme.Givings.Add(new Giving { Kind = step.Kind, On = step.On, Purpose = step.Purpose });
        }

        await db.SaveChangesAsync();
        return Writes.Done(new Kept(programme.Id));
    });

    private static Task<Results<Written<Kept>, Refused, Clash>> Date(int id, StagesRequest r, HoldingDb db, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        if (await db.Programmes.Include(p => p.Bed).FirstOrDefaultAsync(p => p.Id == id) is not { } programme)
        {
            return Refusal.Of("id", "There is no such programme.", "Load the list again.");
        }

        var known = CropCalendars.Of(programme.Bed.Crop).Stages;
        var stages = (r.Stages ?? []).Where(s => s is not null).ToList();
        var checks = new Checks();
        for (var i = 0; i < stages.Count; i++)
        {
            if (!known.Any(k => k.Id == stages[i].Id))
            {
                checks.Add($"stages[{i}].id", $"“{stages[i].Id}” is no stage of this crop.",
                    $"Choose {Say.Any([.. known.Select(k => k.Id)])}.");
            }

            if (stages[i].From < programme.Start.AddDays(-60) || stages[i].From > programme.Harvest.AddDays(120))
            {
                checks.Add($"stages[{i}].from", "That day is not near this season.",
                    $"Give a day from {Say.Date(programme.Start.AddDays(-60))} to {Say.Date(programme.Harvest.AddDays(120))}.");
            }
        }

        if (stages.Count > 0 && (stages.Count != known.Count || stages.GroupBy(s => s.Id).Any(g => g.Count() > 1)))
        {
            checks.Add("stages", "Not every stage has one date.",
                $"Date each of {Say.List([.. known.Select(k => k.Name)])}, or none to take the table again.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        programme.Stages = stages.Count == 0 ? null : stages.Select(s => s with { Name = known.First(k => k.Id == s.Id).Name })
            .OrderBy(s => s.From).ToList();
        return Writes.Done(new Kept(id));
    });

    private static Task<Results<Written<Changed>, Refused, Clash>> Move(int id, MoveGivingRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) =>
        writes.Do<Changed>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        if (await db.Givings.Include(g => g.Programme).FirstOrDefaultAsync(g => g.Id == id) is not { } giving)
        {
            return Refusal.Of("id", "That giving is not there any more.", "Load the list again.");
        }

        if (giving.ApplicationId is not null)
        {
            return Refusal.Of("on", "It was done already; what was done stays in the book.", "Lay another one.");
        }

        db.Seen(giving, r.Version, fields.Checks);
        giving.On = On(r.On, giving.Programme, fields);
        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        await db.SaveChangesAsync();
        return Writes.Done(new Changed(id, giving.Version));
    });

    private static Task<Results<Written<Kept>, Refused, Clash>> Drop(int id, HoldingDb db, Writes writes) => writes.Do<Kept>(async () =>
    {
        if (await db.Givings.FirstOrDefaultAsync(g => g.Id == id && g.ApplicationId == null) is not { } giving)
        {
            return Refusal.Of("id", "It is not there, or was done already.", "Load the list again.");
        }

        db.Givings.Remove(giving);
        return Writes.Done(new Kept(id));
    });

    private static DateOnly On(DateOnly? on, Programme? programme, TypedFields fields)
    {
        if (programme is null)
        {
            fields.Checks.Add("id", "There is no such programme.", "Load the list again.");
        }
        else if (on is null || on < programme.Start.AddDays(-60) || on > programme.Harvest.AddDays(60))
        {
            fields.Checks.Add("on", on is null ? "No day was given." : "That day is not near this season.",
                $"Give a day from {Say.Date(programme.Start.AddDays(-60))} to {Say.Date(programme.Harvest.AddDays(60))}.");
        }

        return on ?? default;
    }

    private static async Task<Results<Ok<Worked<DriedOrLiquidAnswer>>, Refused>> Dried(DriedRequest r, HoldingClock clock)
    {
        var fields = new TypedFields(await clock.Units());
        double Plain(string field, string? typed, double low, double high) => fields.Quantity(field, typed, Dimension.Plain, low, high);
        var us = fields.Units;
        double OnGround(string field, string? typed, double low, double high, string unit) => Per.ProductOnLarge(unit, us) is var each
            ? Plain(field, typed, low * each, high * each) / each : 0;
        double Price(string field, string? typed, string unit) => Per.PriceSi(Plain(field, typed, 0.01, 10_000), unit, us);
        var (l, n, lp, d, dp) = (OnGround("liquidPerHa", r.LiquidPerHa, 0.1, 100, "L"), Plain("times", r.Times, 1, 52), Price("liquidPrice",
            r.LiquidPrice, "L"), OnGround("driedPerHa", r.DriedPerHa, 1, 10_000, "kg"), Price("driedPrice", r.DriedPrice, "kg"));
        return fields.Checks.Sound ? Problems.Answer(DriedOrLiquid.Of(l, n, lp, d, dp, r.Wet, us)) : Problems.Of(fields.Checks.Refusal);
    }
}
