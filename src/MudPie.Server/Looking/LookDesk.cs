using Microsoft.EntityFrameworkCore;
using MudPie.Core.Ground;
using MudPie.Core.Looking;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Looking;
using MudPie.Server.Ground;
using MudPie.Server.Web;

namespace MudPie.Server.Looking;

/// <summary>Pegs, zones and walks as they are read.</summary>
internal static class LookDesk
{
    /// <summary>Most pegs of a holding that are read at once.</summary>
    public const int MostPegs = 200;

    /// <summary>What a crumb's time in the dish makes of it, for the dish on the screen.</summary>
    public static readonly IReadOnlyList<CrumbBand> CrumbBands = [.. new[] { 5.0, 30, 300 }.Select(s => new CrumbBand(s,
        CheckReading.CrumbClass(s - 0.1, 0)))];

    /// <summary>The ground as it is drawn, by which every mark is placed.</summary>
    public static async Task<IReadOnlyList<BedDrawn>> Drawn(HoldingDb db) =>
        GeoEndpoints.Drawn(await db.Beds.AsNoTracking().OrderBy(b => b.Id).Take(500).ToListAsync()).Value.Beds;

    /// <summary>Pegs with what was last found at each.</summary>
    public static async Task<List<PegView>> Pegs(HoldingDb db, IReadOnlyList<BedDrawn> drawn, DateTimeOffset now,
        int? one = null)
    {
        var pegs = await db.Pegs.AsNoTracking().Include(p => p.Bed).Include(p => p.Zone).Where(p => one == null ? p.EndedAt == null
            : p.Id == one).OrderBy(p => p.BedId).ThenBy(p => p.Id).Take(MostPegs).ToListAsync();
        var last = await Last(db, one, now);
        var photos = (await db.PegPhotos.AsNoTracking().Where(p => one == null || p.PegId == one).OrderByDescending(p => p.At)
            .ThenByDescending(p => p.Id).Take(2000).ToListAsync()).ToLookup(p => p.PegId);
        return [.. pegs.Select(p => View(p, drawn) with {
            WayPhotoId = photos[p.Id].FirstOrDefault(x => x.Way)?.PhotoId,
            LastPhotoId = photos[p.Id].FirstOrDefault(x => !x.Way)?.PhotoId,
            LastPhotoAt = photos[p.Id].FirstOrDefault(x => !x.Way)?.At,
            LastPhotoSays = photos[p.Id].FirstOrDefault(x => !x.Way) is { } photo ? Says(photo) : null,
            LastAt = last[p.Id].Select(l => (DateTimeOffset?)l.At).Max(),
            Last = [.. last[p.Id].OrderBy(l => l.Kind)],
        })];
    }

    /// <summary>A visit is another one after so many hours.</summary>
    private const int ApartHours = 12;

    /// <summary>A look of longer ago is no last time.</summary>
    private const int LastYears = 6;

    /// <summary>Of each peg the newest of each kind, and the visit before it.</summary>
    private static async Task<ILookup<int, LastCheck>> Last(HoldingDb db, int? one, DateTimeOffset now)
    {
        var since = now.AddYears(-LastYears);
        var all = await db.GroundChecks.ThatStand().Where(c => c.At > since && (one == null || c.PegId == one))
            .Select(c => new { c.Id, c.PegId, c.Kind, c.At }).ToListAsync();
        var wanted = all.GroupBy(c => (c.PegId, c.Kind)).Select(g =>
        {
            var newest = g.MaxBy(c => (c.At, c.Id))!;
            return (Newest: newest, Before: g.Where(c => newest.At - c.At >= TimeSpan.FromHours(ApartHours)).MaxBy(c => (c.At, c.Id)));
        }).ToList();
        List<int> ids = [.. wanted.SelectMany(w => new[] { w.Newest.Id, w.Before?.Id ?? 0 })];
        var shown = await db.GroundChecks.AsNoTracking().Where(c => ids.Contains(c.Id)).Select(c => new { c.Id, c.Shown, c.Wet })
            .ToDictionaryAsync(c => c.Id);
        return wanted.ToLookup(w => w.Newest.PegId, w => new LastCheck(w.Newest.Kind, w.Newest.At, shown[w.Newest.Id].Shown,
            shown[w.Newest.Id].Wet, w.Before?.At, w.Before is null ? null : shown[w.Before.Id].Shown));
    }

    /// <summary>"to the oak, from 1.5 m, from above"; null where nothing was said.</summary>
    public static string? Says(PegPhoto p)
    {
        List<string> words = [.. new[] { p.Toward, p.HeightM is { } m ? $"from {Say.Number(m)} m" : null, p.Above ? "from above" : null }
            .OfType<string>()];
        return words.Count == 0 ? null : string.Join(", ", words);
    }

    private static PegView View(Peg p, IReadOnlyList<BedDrawn> drawn)
    {
        var at = p is { MarkEast: { } east, MarkNorth: { } north } ? PlanMarks.Where(drawn, new PlanMark(p.BedId, east, north)) : null;
        return new PegView(p.Id, p.Version, p.Name, p.BedId, p.Bed.Name, p.Bed.Crop) {
            Called = $"{p.Bed.Name}, {p.Name}", Last = [], ZoneId = p.ZoneId, Zone = p.Zone?.Name, Texture = p.Zone?.Texture,
            Paces = p.Paces,
            X = at?.X, Y = at?.Y, BesideId = p.BesideId, Differs = p.Differs
        };
    }

    /// <summary>Zones that stand, drawn.</summary>
    public static async Task<List<ZoneView>> Zones(HoldingDb db, IReadOnlyList<BedDrawn> drawn) =>
        [.. (await db.Zones.AsNoTracking().Include(z => z.Bed).Where(z => z.EndedAt == null).OrderBy(z => z.BedId).ThenBy(z => z.Id)
            .Take(MostPegs).ToListAsync()).Select(z => new ZoneView(z.Id, z.Version, z.BedId, z.Bed.Name, z.Name, z.Texture, z.Yield,
                Placed(z.BedId, z.Shape?.Outline, drawn), Placed(z.BedId, z.Shape?.Points, drawn)))];

    private static List<PlanPoint> Placed(int bed, IReadOnlyList<PlanPoint>? points, IReadOnlyList<BedDrawn> drawn) =>
        [.. (points ?? []).Select(p => PlanMarks.Where(drawn, new PlanMark(bed, p.X, p.Y))).OfType<PlanPoint>()];

    /// <summary>Walks with how far each has come.</summary>
    public static async Task<List<WalkView>> Walks(HoldingDb db, HoldingClock clock)
    {
        var (local, now) = (await clock.Local(), clock.Now);
        var today = DateOnly.FromDateTime(local(now).DateTime);
        var walks = await db.Walks.AsNoTracking().Where(w => w.EndedAt == null).OrderBy(w => w.Id).Take(Core.Looking.Walks.MostWalks)
            .ToListAsync();
        var visits = (await db.GroundChecks.ThatStand().GroupBy(c => c.PegId).Select(g => new { g.Key, At = g.Max(c => c.At) })
            .ToListAsync()).ToDictionary(v => v.Key, v => DateOnly.FromDateTime(local(v.At).DateTime));
        var standing = (await db.Pegs.Where(p => p.EndedAt == null).Select(p => p.Id).ToListAsync()).ToHashSet();
        return [.. walks.Select(w =>
        {
            var plan = w.Plan with { Pegs = [.. w.Plan.Pegs.Where(standing.Contains)] };
            var (stands, next) = (Core.Looking.Walks.Stands(plan, visits, today), Core.Looking.Walks.Next(plan, today));
            var says = stands.Left.Count == 0 ? "all of it was walked" : stands.Done.Count > 0
                ? $"{stands.Done.Count} of {Say.Count(plan.Pegs.Count, "peg")} done since {Say.Day(stands.From)}"
                : $"{Say.Count(plan.Pegs.Count, "peg")}, {Say.List([.. plan.Kinds.Take(3).Select(GroundLife.Word)])}"
                    + (plan.Kinds.Count > 3 ? " …" : "");
            return new WalkView(w.Id, w.Version, w.Name, w.HungOn, plan, stands, says, next);
        })];
    }

    /// <summary>Cotton strips that lie in the ground, by when they were laid in.</summary>
    /// <param name="db">The holding.</param>
    /// <param name="from">Laid in after this.</param>
    /// <param name="to">And up to this.</param>
    public static async Task<List<(int PegId, DateTimeOffset At, string Where)>> Strips(HoldingDb db, DateTimeOffset from,
        DateTimeOffset to)
    {
        var strips = db.GroundChecks.ThatStand().Where(c => c.Kind == CheckKind.Cotton);
        return [.. (await strips.AsNoTracking().Where(c => c.Life == null && c.At > from && c.At <= to
            && !strips.Any(d => d.PegId == c.PegId && d.At > c.At)).OrderBy(c => c.At).Take(6)
            .Select(c => new { c.PegId, c.At, Peg = c.Peg.Name, Bed = c.Peg.Bed.Name }).ToListAsync())
            .Select(s => (s.PegId, s.At, $"{s.Bed}, {s.Peg}"))];
    }

    /// <summary>The last rain of two weeks that is known of: hours since its end, and how much fell with gaps of less than six
    /// hours.</summary>
    public static async Task<RainBefore?> Rain(HoldingDb db, DateTimeOffset at, UnitSystem units)
    {
        var since = at.AddDays(-14);
        var hours = await db.Weather.AsNoTracking().Where(w => w.At >= since && w.At <= at && w.RainMm > 0.2).OrderByDescending(w => w.At)
            .Select(w => new { w.At, w.RainMm }).ToListAsync();
        if (hours.Count == 0)
        {
            return null;
        }

        var (mm, before) = (0.0, hours[0].At);
        foreach (var hour in hours.TakeWhile(h => { var goesOn = before - h.At < TimeSpan.FromHours(6); before = h.At; return goesOn; }))
        {
            mm += hour.RainMm;
        }

        var ago = Math.Max(0, (at - hours[0].At).TotalHours);
        return new RainBefore(Math.Round(ago), Math.Round(mm, 1), $"{Per.Depth(mm, units)}, {Say.Number(Math.Round(ago))} h ago");
    }
}
