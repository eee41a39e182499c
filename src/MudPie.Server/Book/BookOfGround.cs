using Microsoft.EntityFrameworkCore;
using MudPie.Core.Looking;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Server.Web;

namespace MudPie.Server.Book;

/// <summary>What was done to the ground and what was found in it, in the book.</summary>
internal static class BookOfGround
{
    public static async Task<IEnumerable<BookEntry>> Entries(HoldingDb db, HoldingClock clock, int? bed, int take, DateTimeOffset until)
    {
        var (units, local) = (await clock.Units(), await clock.Local());
        var struck = (await db.FieldLog.AsNoTracking().Where(f => f.CorrectsId != null).Select(f => new { f.CorrectsId, f.Id, f.Why })
            .ToListAsync()).ToDictionary(f => f.CorrectsId!.Value);
        var field = await db.FieldLog.AsNoTracking().Where(f => !f.Strikes && f.At < until && (bed == null || f.BedId == bed))
            .OrderByDescending(f => f.At).Take(take).Select(f => new { f, Bed = f.Bed == null ? null : f.Bed.Name }).ToListAsync();
        var checks = await db.GroundChecks.ThatStand().AsNoTracking().Where(c => c.At < until && (bed == null || c.Peg.BedId == bed))
            .OrderByDescending(c => c.At).Take(take).Select(c => new {
                c.Id, c.At, c.RecordedAt, c.Kind, c.Shown, c.PegId, Peg = c.Peg.Name,
                Bed = c.Peg.Bed.Name, c.Who
            }).ToListAsync();
        var wrote = await db.WroteThese(db.GroundChecks, [.. checks.Select(c => c.Id)]);
        // A day at a peg is one entry: its checks are lines of it.
        return field.Select(x => new BookEntry("field", x.f.Id, x.f.At, x.f.RecordedAt, FieldDeeds.Says(x.f.Deed, (x.f.Mm, x.f.Litres,
                    x.f.DepthCm), x.f.Crop, x.f.Variety, units), [.. new[] { x.f.Note }.OfType<string>()], x.Bed is null ? [] : [x.Bed],
                        null,
                struck.TryGetValue(x.f.Id, out var by) ? by.Id : null, by?.Why, by is not null, false, "/look/plantings"))
            .Concat(checks.GroupBy(c => (c.PegId, local(c.At).Date)).Select(g => new BookEntry("check", g.Min(c => c.Id), g.Min(c => c.At),
                g.Min(c => c.RecordedAt), $"looked at {g.First().Peg}", [.. g.OrderBy(c => c.Kind).Select(c => InUnits.Say(c.Shown, units)),
                    .. new[] { g.First().Who is { } who ? $"by {who}" : null }.OfType<string>()], [g.First().Bed], null, null, null, false,
                false, $"/look/pegs/{g.Key.PegId}", By: Names(g.Select(c => wrote.GetValueOrDefault(c.Id)?.By)))));
    }

    private static string? Names(IEnumerable<string?> by)
    {
        List<string> names = [.. by.OfType<string>().Distinct().Order(StringComparer.Ordinal)];
        return names.Count == 0 ? null : Say.List(names);
    }

    /// <summary>What stood on each bed in a span, in its order: "broad beans, then garlic".</summary>
    public static async Task<IReadOnlyDictionary<int, string>> Grew(HoldingDb db, DateTimeOffset from, DateTimeOffset to) =>
        (await db.Plantings.AsNoTracking().Where(p => (p.From == null || p.From < to) && (p.To == null || p.To > from))
            .Select(p => new { p.Id, p.BedId, p.Crop, p.From }).ToListAsync()).GroupBy(p => p.BedId).ToDictionary(g => g.Key,
                g => string.Join(", then ", g.OrderBy(p => p.From).ThenBy(p => p.Id).Select(p => p.Crop).Distinct()));

    /// <summary>Rain by the gauge, and watering, of a span; null where neither was written down.</summary>
    public static async Task<string?> Water(HoldingDb db, DateTimeOffset from, DateTimeOffset to, UnitSystem units)
    {
        var log = await db.FieldLog.ThatStand().AsNoTracking().Where(f => f.Mm != null && f.At >= from && f.At < to)
            .Select(f => new { f.Deed, Mm = f.Mm!.Value, Area = f.Bed == null ? 0 : f.Bed.AreaM2 }).ToListAsync();
        var litres = log.Where(f => f.Deed == FieldDeed.Watered).Sum(f => f.Mm * f.Area);
        return log.Count == 0 ? null : $"{Per.Depth(log.Where(f => f.Deed == FieldDeed.Rain).Sum(f => f.Mm), units)} of rain by the gauge; "
            + $"{Units.Show(litres, Dimension.Volume, units)} of watering";
    }
}
