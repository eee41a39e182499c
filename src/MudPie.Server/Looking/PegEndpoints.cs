using Microsoft.EntityFrameworkCore;
using MudPie.Core.Ground;
using MudPie.Core.Looking;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Looking;
using MudPie.Server.Web;

namespace MudPie.Server.Looking;

/// <summary>Zones, pegs and walks.</summary>
public static class PegEndpoints
{
    /// <summary>What can be asked and done.</summary>
    public static void MapLooking(this IEndpointRouteBuilder api)
    {
        api.MapGet("/look/walk", Walk).Remember()
            .ForVisitor("All that a walk needs: walks, pegs, what was last found, how each check is done.");
        api.MapPost("/look/walks", KeepWalk).ForHand("A walk is set up or changed.");
        api.MapPost("/look/walks/{id:int}/end", EndWalk).ForHand("A walk is walked no more.");
        api.MapPost("/look/pegs", KeepPeg).ForHand("A peg is set or changed, and marked on the plan.");
        api.MapPost("/look/pegs/{id:int}/end", EndPeg).ForHand("A peg is pulled out: its past stays.");
        api.MapPost("/look/zones", KeepZone).ForHand("A zone is drawn or changed.");
        api.MapPost("/look/zones/{id:int}/end", EndZone).ForHand("A zone is no more: its pegs stand for the bed.");
        api.MapChecks();
        api.MapPegPages();
        api.MapPegPhotos();
        api.MapYieldMaps();
        api.MapFields();
        api.MapGoals();
    }

    private static async Task<Ok<WalkDataView>> Walk(HoldingDb db, HoldingClock clock)
    {
        var drawn = await LookDesk.Drawn(db);
        return TypedResults.Ok(new WalkDataView(await LookDesk.Walks(db, clock), await LookDesk.Pegs(db, drawn, clock.Now),
            await LookDesk.Zones(db, drawn), CheckHows.All, LookDesk.CrumbBands, await LookDesk.Rain(db, clock.Now, await clock.Units())));
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> KeepWalk(WalkRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var name = fields.Name("name", r.Name, "the walk");
        var plan = r.Plan ?? new WalkPlan();
        if (Walks.Wrong(plan) is { } wrong)
        {
            fields.Checks.Add(wrong);
        }

        if (r.HungOn is { Length: > 120 })
        {
            fields.Checks.Add("hungOn", "That is too long.", "Up to 120 letters: when the moisture is probed before sowing.");
        }

        var there = await db.Pegs.Where(p => plan.Pegs.Contains(p.Id)).CountAsync();
        if (fields.Checks.Sound && there < plan.Pegs.Count)
        {
            fields.Checks.Add("pegs", "One of those pegs is not there.", "Load the page again.");
        }

        if (r.Id is null && await db.Walks.CountAsync(w => w.EndedAt == null) >= Walks.MostWalks)
        {
            fields.Checks.Add("name", $"There are {Walks.MostWalks} walks already.", "Change one of those, or end one.");
        }

        var walk = r.Id is null ? new Walk { Name = name, Plan = plan } : await db.Walks.FirstOrDefaultAsync(w => w.Id == r.Id);
        if (walk is null)
        {
            fields.Checks.Add("id", "That walk is not there.", "Load the page again.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        (walk!.Name, walk.Plan, walk.HungOn) = (name, plan, string.IsNullOrWhiteSpace(r.HungOn) ? null : r.HungOn.Trim());
        return await Saved(walk, r.Version, db, walk.Id == 0, () => walk.Id);
    });

    private static async Task<Ruling<Kept>> Saved<T>(T thing, Guid? version, HoldingDb db, bool isNew, Func<int> id)
        where T : class, IVersioned
    {
        if (isNew)
        {
            db.Add(thing);
        }
        else if (version is { } seen)
        {
            db.Entry(thing).Property(x => x.Version).OriginalValue = seen;
        }

        await db.SaveChangesAsync();
        return Writes.Done(new Kept(id()));
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> KeepPeg(PegRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var name = fields.Name("name", r.Name, "the peg");
        var peg = r.Id is null ? new Peg { Name = name } : await db.Pegs.FirstOrDefaultAsync(p => p.Id == r.Id);
        if (peg is null)
        {
            fields.Checks.Add("id", "That peg is not there.", "Load the page again.");
            return fields.Checks.Refusal;
        }

        await Place(peg, r, db, fields.Checks);
        foreach (var (field, text, most) in new[] { ("paces", r.Paces, 160), ("differs", r.Differs, 60) })
        {
            if (text?.Length > most)
            {
                fields.Checks.Add(field, "That is too long.", $"Up to {most} letters.");
            }
        }

        if (r.ZoneId is { } zone && !await db.Zones.AnyAsync(z => z.Id == zone && z.BedId == peg.BedId))
        {
            fields.Checks.Add("zoneId", "That zone is not in this bed.", "Choose one of the bed’s own, or none.");
        }

        if (r.BesideId is { } beside && (beside == r.Id || !await db.Pegs.AnyAsync(p => p.Id == beside)))
        {
            fields.Checks.Add("besideId", "That peg can’t be its pair.", "Choose another peg, or none.");
        }

        if (r.Id is null && await db.Pegs.CountAsync(p => p.EndedAt == null) >= LookDesk.MostPegs)
        {
            fields.Checks.Add("name", $"There are {LookDesk.MostPegs} pegs already.", "Pull one out first.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        (peg.Name, peg.Paces, peg.ZoneId, peg.BesideId, peg.Differs) = (name, Blank(r.Paces), r.ZoneId, r.BesideId, Blank(r.Differs));
        return await Saved(peg, r.Version, db, peg.Id == 0, () => peg.Id);
    });

    private static string? Blank(string? text) => string.IsNullOrWhiteSpace(text) ? null : text.Trim();

    /// <summary>Its bed, as chosen or as touched on the plan.</summary>
    private static async Task Place(Peg peg, PegRequest r, HoldingDb db, Checks checks)
    {
        if (r.X is null && r.Y is null)
        {
            if (r.BedId is not { } bed || !await db.Beds.AnyAsync(b => b.Id == bed))
            {
                checks.Add("bedId", "No bed was chosen.", "Touch the plan where it stands, or choose the bed.");
            }
            else if (bed != peg.BedId)
            {
                (peg.BedId, peg.MarkEast, peg.MarkNorth) = (bed, null, null);
            }
        }
        else if (PlanMarks.At(await LookDesk.Drawn(db), new PlanPoint(r.X ?? double.NaN, r.Y ?? double.NaN)) is not { } mark)
        {
            checks.Add("x", "That point is not on the plan, or far from any bed.", "Touch the plan where it stands, near a bed.");
        }
        else
        {
            (peg.BedId, peg.MarkEast, peg.MarkNorth) = (mark.BedId, mark.East, mark.North);
        }
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> KeepZone(ZoneRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var name = fields.Name("name", r.Name, "the zone");
        if (!await db.Beds.AnyAsync(b => b.Id == r.BedId))
        {
            fields.Checks.Add("bedId", "No bed was chosen.", "Choose the bed that it lies in.");
        }

        var outline = r.Outline ?? [];
        var marks = outline.Count == 0 ? [] : await Shares(outline, r.BedId ?? 0, db);
        if (outline.Count is 1 or 2 or > ZoneShape.MostCorners || marks.Count < outline.Count)
        {
            fields.Checks.Add("outline", outline.Count is 1 or 2 ? "Two corners are no outline." : "That outline is not about its bed.",
                $"Touch three to {ZoneShape.MostCorners} corners about the zone, or none.");
        }

        var zone = r.Id is null ? new Zone { Name = name } : await db.Zones.FirstOrDefaultAsync(z => z.Id == r.Id);
        if (zone is null || (zone.Id > 0 && zone.BedId != r.BedId))
        {
            fields.Checks.Add("id", "That zone is not there.", "Load the page again.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        (zone!.BedId, zone.Name, zone.Texture) = (r.BedId!.Value, name, r.Texture);
        if (marks.Count > 0)
        {
            zone.Shape = new ZoneShape { Outline = marks, Points = zone.Shape?.Points ?? [] };
        }

        return await Saved(zone, r.Version, db, zone.Id == 0, () => zone.Id);
    });

    /// <summary>Points of the plan as shares of a bed's box; those that are far from it are left out.</summary>
    internal static async Task<List<PlanPoint>> Shares(IReadOnlyList<PlanPoint> points, int bed, HoldingDb db)
    {
        List<BedDrawn> one = [.. (await LookDesk.Drawn(db)).Where(b => b.Id == bed)];
        return [.. points.Select(p => PlanMarks.At(one, p)).OfType<PlanMark>().Select(m => new PlanPoint(m.East, m.North))];
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> EndWalk(int id, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        if (await db.Walks.FirstOrDefaultAsync(w => w.Id == id && w.EndedAt == null) is not { } walk)
        {
            return Refusal.Of("id", "That walk is not there.", "Load the page again.");
        }

        walk.EndedAt = clock.Now;
        return Writes.Done(new Kept(id));
    });

    private static Task<Results<Written<Kept>, Refused, Clash>> EndPeg(int id, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        if (await db.Pegs.FirstOrDefaultAsync(p => p.Id == id && p.EndedAt == null) is not { } peg)
        {
            return Refusal.Of("id", "That peg is not there.", "Load the page again.");
        }

        peg.EndedAt = clock.Now;
        return Writes.Done(new Kept(id));
    });

    private static Task<Results<Written<Kept>, Refused, Clash>> EndZone(int id, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        if (await db.Zones.FirstOrDefaultAsync(z => z.Id == id && z.EndedAt == null) is not { } zone)
        {
            return Refusal.Of("id", "That zone is not there.", "Load the page again.");
        }

        zone.EndedAt = clock.Now;
        foreach (var peg in await db.Pegs.Where(p => p.ZoneId == id).ToListAsync())
        {
            peg.ZoneId = null;
        }

        return Writes.Done(new Kept(id));
    });
}
