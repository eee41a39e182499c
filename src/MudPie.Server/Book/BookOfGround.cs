using Microsoft.EntityFrameworkCore;
using MudPie.Core.Looking;
using MudPie.Core.Measures;
using MudPie.Records;
using MudPie.Server.Web;

namespace MudPie.Server.Book;

/// <summary>What was done to the ground and what was found in it, in the book.</summary>
internal static class BookOfGround
{
    public static async Task<IEnumerable<BookEntry>> Entries(HoldingDb db, HoldingClock clock, int? bed, int take, DateTimeOffset until)
    {
        var units = await clock.Units();
        var struck = (await db.FieldLog.AsNoTracking().Where(f => f.CorrectsId != null).Select(f => new { f.CorrectsId, f.Id, f.Why })
            .ToListAsync()).ToDictionary(f => f.CorrectsId!.Value);
        var field = await db.FieldLog.AsNoTracking().Where(f => !f.Strikes && f.At < until && (bed == null || f.BedId == bed))
            .OrderByDescending(f => f.At).Take(take).Select(f => new { f, Bed = f.Bed == null ? null : f.Bed.Name }).ToListAsync();
        var checks = await db.GroundChecks.ThatStand().AsNoTracking().Where(c => c.At < until && (bed == null || c.Peg.BedId == bed))
            .OrderByDescending(c => c.At).Take(take).Select(c => new { c.Id, c.At, c.RecordedAt, c.Kind, c.Shown, c.PegId, Peg = c.Peg.Name,
                Bed = c.Peg.Bed.Name, c.Who }).ToListAsync();
        // One visit to a peg is one entry: its checks are lines of it.
        return field.Select(x => new BookEntry("field", x.f.Id, x.f.At, x.f.RecordedAt, FieldDeeds.Says(x.f.Deed, (x.f.Mm, x.f.Litres,
                    x.f.DepthCm), x.f.Crop, x.f.Variety, units), [.. new[] { x.f.Note }.OfType<string>()], x.Bed is null ? [] : [x.Bed],
                        null,
                struck.TryGetValue(x.f.Id, out var by) ? by.Id : null, by?.Why, by is not null, false, "/look/plantings"))
            .Concat(checks.GroupBy(c => (c.PegId, c.At)).Select(g => new BookEntry("check", g.Min(c => c.Id), g.Key.At,
                g.Min(c => c.RecordedAt), $"looked at {g.First().Peg}", [.. g.OrderBy(c => c.Kind).Select(c => InUnits.Say(c.Shown, units)),
                    .. new[] { g.First().Who is { } who ? $"by {who}" : null }.OfType<string>()], [g.First().Bed], null, null, null, false,
                false, $"/look/pegs/{g.Key.PegId}")));
    }
}
