using System.Globalization;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Looking;
using MudPie.Core.Measures;
using MudPie.Core.Sheets;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Works;
using MudPie.Server.Web;

namespace MudPie.Server.Sheets;

/// <summary>What sheets say of each bed, and what is to be sampled next.</summary>
public static class SheetPlaceEndpoints
{
    private static readonly SheetOf[] Kinds = [SheetOf.Bed, SheetOf.Leaf, SheetOf.Sap];

    /// <summary>What can be asked and done.</summary>
    public static void MapSheetPlaces(this IEndpointRouteBuilder api)
    {
        api.MapGet("/sheets/beds", Beds).ForVisitor("Beds in a line each, with what their newest sheets say.");
        api.MapGet("/sheets/beds/{bed:int}", Bed).ForVisitor("Soil, leaf and sap of a bed on one page, against their bands.");
        api.MapGet("/sheets/sampling", Sampling).ForVisitor("What soil is due to be sampled, and how each kind of sample is taken.");
        api.MapPost("/sheets/sampling", Begin).ForHand("Sheets are begun, one for each bag.");
    }

    private static async Task<Ok<List<BedSheets>>> Beds(HoldingDb db, SheetDesk desk)
    {
        var shelf = await desk.OfBeds(null);
        var beds = await db.Beds.AsNoTracking().OrderBy(b => b.Id).Select(b => new { b.Id, b.Name, b.Crop }).ToListAsync();
        List<BedSheets> told = [];
        foreach (var b in beds)
        {
            List<BedSheetLine> lines = [];
            foreach (var kind in Kinds)
            {
                if (shelf.LastOrDefault(s => s.BedId == b.Id && s.Asked.For.Said() == kind.Said()) is { } newest)
                {
                    lines.Add(new BedSheetLine(kind, newest.Id, newest.On, newest.Found.Short.Count > 0 ? Tone.Mind : Tone.Go,
                        newest.Found.Says));
                }
            }

            told.Add(new BedSheets(b.Id, b.Name, b.Crop, lines));
        }

        return TypedResults.Ok(told);
    }

    private static async Task<Results<Ok<BedSheetsView>, Missing>> Bed(int bed, HoldingDb db, SheetDesk desk, HoldingClock clock)
    {
        if (await db.Beds.AsNoTracking().FirstOrDefaultAsync(b => b.Id == bed) is not { } of)
        {
            return Problems.NotFound("bed");
        }

        var (all, units) = (await desk.OfBeds(bed), await clock.Units());
        var zones = await db.Zones.AsNoTracking().Where(z => z.BedId == bed).ToDictionaryAsync(z => z.Id, z => z.Name);
        var today = DateOnly.FromDateTime((await clock.Local())(clock.Now).DateTime);
        var first = new DateOnly((all.Count == 0 ? today : all[0].On).Year, 1, 1);
        var days = Math.Max(1.0, today.DayNumber - first.DayNumber);
        double At(DateOnly on) => Math.Round((on.DayNumber - first.DayNumber) / days, 4);
        string Where(SheetAsked a) => string.Join(", ", new[] { a.ZoneId is { } z ? zones.GetValueOrDefault(z) : null, a.For.OfPlant()
            ? null
            : $"{(string.IsNullOrWhiteSpace(a.DepthFrom) ? "0" : a.DepthFrom.Trim())} to {a.Depth?.Trim() ?? "15 cm"}" }
            .Where(x => !string.IsNullOrEmpty(x)));
        var nutrients = SheetsOfPlace.Of([.. all.Select(s => (s.Id, s.On, s.Asked, s.Found))], today);
        return TypedResults.Ok(new BedSheetsView(bed, of.Name, of.Crop,
            [.. nutrients.Select(n => new BedNutrient(n.Of.Id, n.Of.Name, n.Tone,
            n.Sentence, [.. n.Figures.Select(f =>
            {
                var asked = all.First(s => s.Id == f.SheetId).Asked;
                return new BedFigure(f.SheetId, f.On, f.For, SheetTelling.Shown(f.Line, f.For), f.Stands, At(f.On), f.OfBand is { } up
                    ? Math.Round(up / 3, 4) : null,
                    f.Series + (asked.ZoneId is { } z ? $", zone {z.ToString(CultureInfo.InvariantCulture)}" : ""),
                    f.Line.Age == LeafAge.Old, Where(asked));
            })]))],
            [.. Enumerable.Range(first.Year, today.Year - first.Year + 1).Select(y => new BedYear(y, At(new DateOnly(y, 1, 1))))],
            [.. all.AsEnumerable().Reverse().Select(s => new SheetTarget(s.Id, $"{s.Name}, {s.Asked.For.Said()}, {Say.Date(s.On)}",
                false))], [.. Kinds.Select(k => How(k, units))]));
    }

    private static SamplingHow How(SheetOf of, UnitSystem units) => new(of, of.Said(), of.Answers(), SamplingPlan.Checklist(of, units));

    private static async Task<List<SamplingPlace>> Places(HoldingDb db, SheetDesk desk)
    {
        var all = await desk.OfBeds(null);
        var zones = (await db.Zones.AsNoTracking().Where(z => z.EndedAt == null).OrderBy(z => z.Id).ToListAsync()).ToLookup(z => z.BedId);
        var beds = await db.Beds.AsNoTracking().OrderBy(b => b.Id).Select(b => new { b.Id, b.Name }).ToListAsync();
        SamplingPlace Place(int bed, string name, int? zone, string? zoneName, string? texture)
        {
            var last = all.LastOrDefault(s => s.BedId == bed && s.Asked.ZoneId == zone && s.Asked.For == SheetOf.Bed);
            return new(bed, name, zone, zoneName, texture, last?.On, last?.Asked.Lab);
        }

        return [.. beds.SelectMany(b => zones[b.Id].Any() ? zones[b.Id].Select(z => Place(b.Id, b.Name, z.Id, z.Name, z.Texture is { } t
                ? CheckHows.Textured(t) : null))
            : [Place(b.Id, b.Name, null, null, null)])];
    }

    private static async Task<Ok<SamplingView>> Sampling(HoldingDb db, SheetDesk desk, HoldingClock clock)
    {
        var (today, units) = (DateOnly.FromDateTime((await clock.Local())(clock.Now).DateTime), await clock.Units());
        var due = SamplingPlan.Due(await Places(db, desk), today);
        return TypedResults.Ok(new SamplingView(SamplingPlan.Deep(units),
            [.. due.Select(d => new SamplingLine(d.Place.BedId, d.Place.ZoneId, d.Place.Bed
            + (d.Place.Zone is { } zone ? $", {zone}" : ""), d.Place.Texture, d.Tone, d.Sentence, [.. SamplingPlan.Bags([d.Place], units)
                .Select(b => b.Mark)]))], [.. new[] { SheetOf.Bed, SheetOf.Leaf, SheetOf.Sap, SheetOf.Mix }.Select(k => How(k, units))],
            await LabEndpoints.Labs(db)));
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Begin(SamplingRequest r, HoldingDb db, SheetDesk desk, HoldingClock clock,
        Writes writes) => writes.Do<Kept>(async () =>
    {
        var (checks, places) = (new Checks(), await Places(db, desk));
        var chosen = (r.Places ?? []).Select(c => places.FirstOrDefault(p => p.BedId == c.BedId && p.ZoneId == c.ZoneId)).ToList();
        if (chosen.Count is 0 or > 40 || chosen.Any(c => c is null))
        {
            checks.Add("places", chosen.Count == 0 ? "Nothing was chosen." : chosen.Count > 40 ? "That is more than forty places."
                : "One of them is not there any more.", "Choose zones, or beds without zones, of the list.");
        }

        var lab = LabEndpoints.Named(r.Lab, checks);
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        Work? first = null;
        foreach (var bag in SamplingPlan.Bags([.. chosen.OfType<SamplingPlace>().Distinct()], await clock.Units()))
        {
            var name = await Free($"{bag.Mark}, {Say.Date((await clock.Local())(clock.Now))}", db);
            var work = db.Works.Add(new Work {
                Kind = WorkKind.Sheet, Name = name, BegunAt = clock.Now, BedId = bag.Place.BedId,
                Sheet = new SheetAsked {
                    Name = name, For = SheetOf.Bed, BedId = bag.Place.BedId, ZoneId = bag.Place.ZoneId, Lab = lab ?? bag.Place.Lab,
                    Method = Extraction.Mehlich3, Density = "1.3", Depth = bag.To, DepthFrom = bag.From, Crop = CropGroup.Vegetables,
                },
            }).Entity;
            first ??= work;
            await db.SaveChangesAsync();
        }

        return Writes.Done(new Kept(first!.Id));
    });

    /// <summary>A name that no work has.</summary>
    private static async Task<string> Free(string name, HoldingDb db)
    {
        name = name.Length > Names.Most - 4 ? name[..(Names.Most - 4)] : name;
        for (var i = 1; ; i++)
        {
            var tried = i == 1 ? name : $"{name} ({i.ToString(CultureInfo.InvariantCulture)})";
            if (!await db.Works.AnyAsync(w => w.Name == tried))
            {
                return tried;
            }
        }
    }
}
