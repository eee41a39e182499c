using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Core.Looking;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Looking;
using MudPie.Server.Web;

namespace MudPie.Server.Looking;

/// <summary>A peg's own page, and all pegs over the years.</summary>
public static class PegPages
{
    private const int MostColumns = 3;

    /// <summary>What can be asked.</summary>
    public static void MapPegPages(this IEndpointRouteBuilder api)
    {
        api.MapGet("/look/pegs/{id:int}", One).ForVisitor("A peg: what was found, against its own past, and what follows.");
        api.MapGet("/look/years", Years).ForVisitor("All pegs over the years, by one check.");
    }

    private static CheckSeen Seen(GroundCheck c) => new(c.Id, c.At, c.Asked, c.Shown, c.Wet);

    private static async Task<Results<Ok<PegPageView>, Missing>> One(int id, HoldingDb db, HoldingClock clock)
    {
        if ((await LookDesk.Pegs(db, await LookDesk.Drawn(db), clock.Now, id)).FirstOrDefault() is not { } peg)
        {
            return Problems.NotFound("peg");
        }

        var (units, local, now) = (await clock.Units(), await clock.Local(), clock.Now);
        var all = await db.GroundChecks.AsNoTracking().Where(c => c.PegId == id).OrderByDescending(c => c.At).ThenByDescending(c => c.Id)
            .Take(1000).ToListAsync();
        var wrote = await db.Wrote(db.GroundChecks.Where(c => c.PegId == id));
        var gone = all.Where(c => c.CorrectsId is not null).ToLookup(c => c.CorrectsId!.Value);
        List<GroundCheck> stand = [.. all.Where(c => !c.Strikes && !gone.Contains(c.Id))];
        // A strip that was only laid in says nothing yet.
        List<PegChange> changes = [.. CheckHows.All.Select(h => PegPast.Of([.. stand.Where(c => c.Kind == h.Kind && !c.Asked.Buried)
            .Select(Seen)], local)).OfType<PegChange>()];
        List<DateTimeOffset> days = [.. stand.Select(c => c.At).GroupBy(at => local(at).Date).OrderByDescending(g => g.Key)
            .Take(MostColumns).Select(g => g.Max()).Reverse()];
        var bed = await db.Beds.AsNoTracking().FirstAsync(b => b.Id == peg.BedId);
        var life = (await Lives.Of(db, now, [peg.BedId])).GetValueOrDefault(peg.BedId);
        var ground = life?.Answer ?? GroundLife.Of([], now);
        var dose = DoseSteps.Of(ground.Value, BrewPlan.LitresPer100M2(false) * 100, bed.AreaM2, bed.KeepsFullDose,
            (l => Per.Large(l, Dimension.Volume, units), l => Units.Show(l, Dimension.Volume, units)));
        var water = await WaterBook.Of(db, clock, peg.BedId, changes.Select(c => c.Against?.At ?? now).DefaultIfEmpty(now).Min(), now);
        var block = stand.FirstOrDefault(c => c.Kind == CheckKind.Block);
        return TypedResults.Ok(new PegPageView(peg, PegPast.Verdict(changes), Under(stand, peg, local, units)) {
            Layers = block?.Asked.Layers ?? [],
            LayersAt = block?.At,
            Roots = stand.FirstOrDefault(c => c.Kind == CheckKind.Roots)?.Asked,
            Worms = stand.FirstOrDefault(c => c.Kind == CheckKind.Worms)?.Figure,
            Rods = Rods(changes),
            Visits = days,
            Past = [.. changes.Select(c => Line(c, stand, days, local, units) with {
                Water = c.Against is { } then ? water.Between(then.At, c.Newest.At).Sentence : null
            })],
            Life = ground,
            Dose = dose,
            Saves = dose.Value.SavesL > 0 ? $"{Units.Show(dose.Value.SavesL, Dimension.Volume, units)} less on this bed" : null,
            KeepsFull = bed.KeepsFullDose,
            Compares = peg.Texture is { } texture
                ? $"Figures here compare with this {CheckHows.Textured(texture)} only, at like wetness."
                    : "Figures here compare with this ground only, "
                    + "at like wetness; feel its texture and say it on the zone.",
            Pictures = await Pictures(id, db),
            Pairs = await Pairs(peg, changes, db),
            Log = [.. all.Where(c => !c.Strikes).Take(60).Select(c => new CheckLine(c.Id, c.At, c.Kind, CheckHows.Of(c.Kind).Name,
                InUnits.Say(c.Shown, units), Minding(c, units), Gone(gone[c.Id].FirstOrDefault()), !gone.Contains(c.Id),
                c.Asked, c.Asked.SoilC is { } warm ? Units.Typed(warm, Dimension.Temperature, units) : null,
                wrote.Told(c.Id, c.At)))],
            CrumbBands = LookDesk.CrumbBands,
        });
    }

    private static string? Gone(GroundCheck? by) => by is null ? null : $"{(by.Strikes ? "struck" : "put right")}: {by.Why}";

    private static string Under(List<GroundCheck> stand, PegView peg, Func<DateTimeOffset, DateTimeOffset> local, UnitSystem units)
    {
        List<string> parts = [peg.Crop];
        if (peg.Texture is { } texture)
        {
            parts.Add(CheckHows.Textured(texture));
        }

        if (stand.FirstOrDefault() is { } newest)
        {
            parts.Add($"last seen {Say.Date(local(newest.At))}");
            if (Minding(stand.FirstOrDefault(c => c.At == newest.At && (c.RainHours ?? c.RainMm) is not null) ?? newest, units) is { } said)
            {
                parts.Add(said);
            }
        }

        return string.Join(" · ", parts);
    }

    /// <summary>"moist, 31 h after 12 mm of rain, by the field hand"; null where nothing was said.</summary>
    private static string? Minding(GroundCheck c, UnitSystem units)
    {
        var rain = (c.RainHours, c.RainMm) switch {
            ( { } h, { } mm) => $"{Say.Number(h)} h after {Per.Depth(mm, units)} of rain",
            ( { } h, null) => $"{Say.Number(h)} h after rain",
            (null, { } mm) => $"after {Per.Depth(mm, units)} of rain",
            _ => null,
        };
        List<string> words = [.. new[] { c.Wet?.Word(), rain, c.Who is null ? null : $"by {c.Who}" }.OfType<string>()];
        return words.Count == 0 ? null : string.Join(", ", words);
    }

    private static List<RodLine> Rods(List<PegChange> changes)
    {
        if (changes.FirstOrDefault(c => c.Kind == CheckKind.Rod) is not { } rod)
        {
            return [];
        }

        return [.. new[] { rod.Newest, rod.Against }.OfType<CheckSeen>().Select(s =>
        {
            var trace = RodReading.Trace(RodReading.Mpa(s.Asked.Pushes, s.Asked.Psi));
            return new RodLine(s.At, trace, RodReading.Trace(RodReading.Mpa(s.Asked.Wheelings, s.Asked.Psi)), s.Asked.Pushes?.Count ?? 0,
                RodReading.PanOf(trace));
        })];
    }

    private static PastLine Line(PegChange c, List<GroundCheck> stand, List<DateTimeOffset> days, Func<DateTimeOffset,
        DateTimeOffset> local,
        UnitSystem units)
    {
        var read = CheckReading.Of(c.Newest.Asked);
        return new PastLine(c.Kind, CheckHows.Of(c.Kind).Measured, [.. days.Select(d => stand.Where(s => s.Kind == c.Kind
                && !s.Asked.Buried && local(s.At).Date == local(d).Date).Select(s => CheckReading.Short(c.Kind, s.Figure))
                    .FirstOrDefault())],
            c.Change?.Value.Word, c.Change?.Value.Better, InUnits.Say(c.Says, units), c.Against?.At, c.Change?.Working ?? [],
            read.Refused is null ? read.Value.Says : null, null);
    }

    private static async Task<List<PegPicture>> Pictures(int peg, HoldingDb db) =>
        [.. (await db.PegPhotos.AsNoTracking().Where(p => p.PegId == peg).OrderBy(p => p.At).ThenBy(p => p.Id).Take(120).ToListAsync())
            .Select(p => new PegPicture(p.PhotoId, p.At, p.Way, p.Above, LookDesk.Says(p), p.Drawn))];

    /// <summary>Pegs that are pairs with this one, said from either side.</summary>
    private static async Task<List<PairView>> Pairs(PegView peg, List<PegChange> here, HoldingDb db)
    {
        var others = await db.Pegs.AsNoTracking().Include(p => p.Bed).Where(p => p.EndedAt == null && (p.Id == peg.BesideId
            || p.BesideId == peg.Id)).OrderBy(p => p.Id).Take(8).ToListAsync();
        List<int> ids = [.. others.Select(o => o.Id)];
        var seen = (await db.GroundChecks.ThatStand().AsNoTracking().Where(c => ids.Contains(c.PegId)).OrderByDescending(c => c.At)
            .Take(2000).ToListAsync()).ToLookup(c => c.PegId);
        return [.. others.Select(o => new PairView(o.Id, $"{o.Bed.Name}, {o.Name}", peg.Differs, o.Differs, [.. here.Select(h =>
        {
            // Both sides of a pair are looked at on one walk: of the other's, the check nearest to this one's day, within two weeks.
            var there = seen[o.Id].Where(c => c.Kind == h.Kind && !c.Asked.Buried && Math.Abs((c.At - h.Newest.At).TotalDays) <= 14)
                .MinBy(c => Math.Abs((c.At - h.Newest.At).TotalDays));
            if (there is null || CheckChange.Of(there.Asked, h.Newest.Asked) is not { Refused: null } change)
            {
                return null;
            }

            return new PairLine(h.Kind, CheckHows.Of(h.Kind).Measured, h.Newest.Shown, there.Shown, change.Value.Word, change.Value.Better,
                change.Value.Says.Replace(" after ", " against ", StringComparison.Ordinal)); // side by side, not one after the other
        }).OfType<PairLine>()]))];
    }

    private static async Task<Ok<YearsView>> Years(HoldingDb db, string? kind)
    {
        var all = db.GroundChecks.ThatStand();
        var kinds = await db.GroundChecks.Where(c => !c.Strikes).Select(c => c.Kind).Distinct().ToListAsync();
        List<CheckKind> known = [.. CheckHows.All.Select(h => h.Kind).Where(kinds.Contains)];
        var of = Words.Read<CheckKind>(kind) ?? known.FirstOrDefault(k => k == CheckKind.Worms, known.FirstOrDefault());
        var points = (await all.AsNoTracking().Where(c => c.Kind == of && (c.Life != null || c.Kind != CheckKind.Cotton))
            .OrderBy(c => c.At).Select(c => new { c.PegId, Point = new YearPoint(c.At, c.Figure, c.Lower, c.Upper, c.Wet) })
            .Take(20_000).ToListAsync()).ToLookup(c => c.PegId, c => c.Point);
        var pegs = await db.Pegs.AsNoTracking().Include(p => p.Bed).Include(p => p.Zone).OrderBy(p => p.BedId).ThenBy(p => p.Id)
            .Take(LookDesk.MostPegs).ToListAsync();
        var figures = points.SelectMany(p => p).Select(p => p.Figure).DefaultIfEmpty(0).ToList();
        var bounds = CheckReading.Bounds(of);
        return TypedResults.Ok(new YearsView(of, CheckHows.Of(of).Measured, known, [.. pegs.Where(p => points.Contains(p.Id)).Select(p =>
            new YearLine(p.Id, p.Name, p.Bed.Name, p.Zone?.Name, p.Zone?.Texture, [.. points[p.Id]],
                CheckReading.Short(of, points[p.Id].Last().Figure)))], Math.Min(0, figures.Min()), figures.Max(), bounds?.Good,
            bounds?.Poor));
    }
}
