using Microsoft.EntityFrameworkCore;
using MudPie.Core.Looking;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Ground;
using MudPie.Records.Looking;
using MudPie.Server.Web;

namespace MudPie.Server.Looking;

/// <summary>What grew where, what was done to the ground, rain and watering.</summary>
public static class FieldEndpoints
{
    private const int MostEntries = 2000;

    /// <summary>What can be asked and done.</summary>
    public static void MapFields(this IEndpointRouteBuilder api)
    {
        api.MapGet("/look/plantings", Read).ForVisitor("What grew where, and what was done to it, over two years.");
        api.MapGet("/look/plantings/{id:int}", One).ForVisitor("A planting, and all that hangs on it.");
        api.MapPost("/look/plantings", KeepPlanting).ForHand("A planting is written down or changed.");
        api.MapPost("/look/field", Keep).ForHand("Something was done to the ground, or it rained.");
        api.MapPost("/look/field/{id:int}/strike", Strike).ForHand("An entry of it is struck; it stays readable.");
    }

    private static PlantingView View(Planting p, DateTimeOffset now) => new(p.Id, p.Version, p.BedId, p.Crop, p.Variety, p.From, p.To,
        p.Growing, p.Eaten, (p.From is null || p.From <= now) && (p.To is null || p.To > now));

    /// <summary>An entry in words.</summary>
    internal static string Says(FieldLog f, UnitSystem units) =>
        FieldDeeds.Says(f.Deed, (f.Mm, f.Litres, f.DepthCm), f.Crop, f.Variety, units);

    private static async Task<Ok<PlantingsView>> Read(HoldingDb db, HoldingClock clock)
    {
        var (now, units) = (clock.Now, await clock.Units());
        var from = now.AddYears(-2);
        var plantings = (await db.Plantings.AsNoTracking().Where(p => p.To == null || p.To > from).OrderBy(p => p.From).Take(MostEntries)
            .ToListAsync()).ToLookup(p => p.BedId);
        var log = await db.FieldLog.AsNoTracking().Where(f => f.At > from).OrderByDescending(f => f.At).ThenByDescending(f => f.Id)
            .Take(MostEntries).ToListAsync();
        var gone = log.Where(f => f.CorrectsId is not null).ToLookup(f => f.CorrectsId!.Value);
        FieldLine Line(FieldLog f) => new(f.Id, f.Deed, f.At, Says(f, units), f.Mm, f.Note, !gone.Contains(f.Id),
            gone[f.Id].FirstOrDefault()?.Why);
        var done = log.Where(f => !f.Strikes).ToLookup(f => f.BedId, Line);
        var beds = await db.Beds.AsNoTracking().OrderBy(b => b.Id).Take(500).Select(b => new { b.Id, b.Name }).ToListAsync();
        return TypedResults.Ok(new PlantingsView(from, now, [.. beds.Select(b => new PlantedBed(b.Id, b.Name,
            [.. plantings[b.Id].Select(p => View(p, now))], [.. done[b.Id]]))], [.. done[null]]));
    }

    private static async Task<Results<Ok<PlantingPage>, Missing>> One(int id, HoldingDb db, HoldingClock clock)
    {
        if (await db.Plantings.AsNoTracking().Include(p => p.Bed).FirstOrDefaultAsync(p => p.Id == id) is not { } planting)
        {
            return Problems.NotFound("planting");
        }

        var (now, units, local) = (clock.Now, await clock.Units(), await clock.Local());
        var (from, to) = (planting.From ?? DateTimeOffset.UnixEpoch, planting.To ?? now);
        var hangs = await PlantingHangs.Of(db, planting.BedId, planting.Bed.Name, (from, to), units);
        var kg = await db.Harvests.ThatStand().Where(h => h.BedId == planting.BedId && h.At >= from && h.At <= to).SumAsync(h => h.Kg);
        var uses = hangs.Count(h => h.Kind == "use");
        var water = await WaterBook.Of(db, clock, planting.BedId, from, to);
        var since = planting.From is { } began ? $"Since {Say.Date(local(began))}" : "Since before it was written down";
        return TypedResults.Ok(new PlantingPage(View(planting, now), planting.Bed.Name, $"{since}"
            + (planting.To is { } ended ? $", until {Say.Date(local(ended))}" : "") + $"; used on it {Say.Count(uses, "time")}"
            + (kg > 0 ? $"; {Units.Show(kg * 1000, Dimension.Mass, units)} harvested." : "; nothing harvested yet."),
            planting.From is { } start ? water.Between(start, to).Sentence.Replace("Between them", "Over its time",
                StringComparison.Ordinal) : "Say since when it stands, and rain and watering add up here.", hangs));
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> KeepPlanting(PlantingRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) => writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var crop = fields.Name("crop", r.Crop, "the crop");
        var variety = string.IsNullOrWhiteSpace(r.Variety) ? null : fields.Name("variety", r.Variety, "the variety");
        var growing = fields.OneOf("growing", r.Growing ?? "annual", "annual", "grass", "perennial", "tree");
        var bed = await db.Beds.FirstOrDefaultAsync(b => b.Id == r.BedId);
        if (bed is null)
        {
            fields.Checks.Add("bedId", "No bed was chosen.", "Choose the bed that it grows on.");
        }

        if (r is { From: { } from, To: { } to } && to <= from)
        {
            fields.Checks.Add("to", "It ends before it begins.", "Give a later day, or none while it stands.");
        }

        foreach (var (field, day) in new[] { ("from", r.From), ("to", r.To) })
        {
            if (day is { } at && (at > clock.Now.AddDays(1) || at.Year < 1900))
            {
                fields.Checks.Add(field, at.Year < 1900 ? "That is too long ago." : "That day has not come yet.",
                    "What is only planned belongs to the season.");
            }
        }

        var planting = r.Id is null ? new Planting { Crop = crop, Growing = growing, Bed = bed! }
            : await db.Plantings.FirstOrDefaultAsync(p => p.Id == r.Id && p.BedId == r.BedId);
        if (planting is null)
        {
            fields.Checks.Add("id", "That planting is not there.", "Load the page again.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        (planting!.Crop, planting.Variety, planting.From, planting.To, planting.Growing, planting.Eaten) = (crop, variety, r.From, r.To,
            growing, r.Eaten ?? bed!.Eaten);
        if (r.Id is null)
        {
            db.Plantings.Add(planting);
        }
        else if (r.Version is { } seen)
        {
            db.Entry(planting).Property(p => p.Version).OriginalValue = seen;
        }

        await PlantingBook.Follow(db, bed!);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(planting.Id));
    });

    private static Task<Results<Written<Kept>, Refused, Clash>> Keep(FieldRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var checks = new Checks();
        var at = checks.Past("at", r.At, clock.Now);
        var done = await Write(r.BedIds ?? [], r.Did ?? new FieldAsked(), at, db, clock);
        if (done.Refused is { } no)
        {
            checks.Add(no);
        }

        return checks.Sound ? Writes.Done(new Kept(done.Value)) : checks.Refusal;
    });

    /// <summary>Writes a deed on each bed, or rain on all of it; a sowing begins a planting.</summary>
    internal static async Task<Ruling<int>> Write(IReadOnlyList<int> bedIds, FieldAsked did, DateTimeOffset at, HoldingDb db,
        HoldingClock clock)
    {
        var units = await clock.Units();
        var ids = bedIds.Distinct().Take(200).ToList();
        var beds = await db.Beds.Where(b => ids.Contains(b.Id)).OrderBy(b => b.Id).ToListAsync();
        if (beds.Count < ids.Count)
        {
            return Refusal.Of("bedIds", "One of those beds is not there.", "Load the page again.");
        }

        var share = did.Deed == FieldDeed.Watered && beds.Count > 1 ? Shared(did, beds, units) : null;
        if (share?.Refused is { } unread)
        {
            return unread;
        }

        var last = 0;
        foreach (var bed in did.Deed == FieldDeed.Rain && beds.Count == 0 ? [null] : beds.Count == 0 ? [] : beds.Select(b => (Bed?)b))
        {
            var asked = share is { } mm ? did with { Amount = $"{Say.Number(mm.Value, 6)} mm" } : did;
            var deed = FieldDeeds.Do(asked, bed?.AreaM2, units);
            if (deed.Refused is { } no)
            {
                return no;
            }

            last = await Laid(bed, deed.Value, did.Amount, at, db, clock.Now);
        }

        return last > 0 ? Writes.Done(last) : FieldDeeds.Do(did, null, units).Refused ?? Refusal.Of("bedIds", "No bed was chosen.",
            "Touch the beds on which it was done.");
    }

    /// <summary>Litres on several beds fall alike on all of them.</summary>
    private static Ruling<double>? Shared(FieldAsked did, List<Bed> beds, UnitSystem units)
    {
        var whole = FieldDeeds.Do(did, beds.Sum(b => b.AreaM2), units);
        if (whole.Refused is { } no)
        {
            return no;
        }

        if (whole.Value is not { Litres: not null, Mm: { } mm })
        {
            return null;
        }

        return Worked.Of(mm, "mm", Evidence.MeasuredHere);
    }

    private static async Task<int> Laid(Bed? bed, FieldEntry entry, string? typed, DateTimeOffset at, HoldingDb db, DateTimeOffset now)
    {
        Planting? begun = null;
        if (bed is not null && entry.Crop is { } crop)
        {
            begun = await PlantingBook.Begin(db, bed, (crop, entry.Variety), at, entry.Ends);
        }
        else if (bed is not null && (entry.Ends || entry.Deed == FieldDeed.Cleared))
        {
            await PlantingBook.End(db, bed.Id, at);
            await PlantingBook.Follow(db, bed);
        }

        var log = db.FieldLog.Add(new FieldLog {
            BedId = bed?.Id, At = at, RecordedAt = now, Deed = entry.Deed, Mm = entry.Mm, Litres = entry.Litres, DepthCm = entry.DepthCm,
            Crop = entry.Crop, Variety = entry.Variety, Typed = string.IsNullOrWhiteSpace(typed) ? null : typed.Trim(), Note = entry.Note,
            PlantingId = begun?.Id
        }).Entity;
        await db.SaveChangesAsync();
        return log.Id;
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Strike(int id, FieldStrikeRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) => writes.Do<Kept>(async () =>
    {
        if (await db.FieldLog.ThatStand().AsNoTracking().FirstOrDefaultAsync(f => f.Id == id) is not { } old)
        {
            return Refusal.Of("id", "That entry does not stand any more.", "Load the page again.");
        }

        if (string.IsNullOrWhiteSpace(r.Why) || r.Why.Length > 200)
        {
            return Refusal.Of("why", "It is not said why.", "A few words: the wrong bed, read twice.");
        }

        if (old.PlantingId is { } begun && await db.Plantings.Include(p => p.Bed).FirstOrDefaultAsync(p => p.Id == begun) is { } planting)
        {
            // What it had ended stands again, and what it began never was.
            foreach (var ended in await db.Plantings.Where(p => p.BedId == planting.BedId && p.To == old.At).ToListAsync())
            {
                ended.To = null;
            }

            foreach (var entry in await db.FieldLog.Where(f => f.PlantingId == begun).ToListAsync())
            {
                entry.PlantingId = null;
            }

            db.Plantings.Remove(planting);
            await PlantingBook.Follow(db, planting.Bed);
        }

        var strike = db.FieldLog.Add(new FieldLog {
            BedId = old.BedId, At = old.At, RecordedAt = clock.Now, Deed = old.Deed, CorrectsId = id, Strikes = true, Why = r.Why.Trim()
        }).Entity;
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(strike.Id));
    });
}
