using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Shelf;
using MudPie.Server.Lots;
using MudPie.Server.Web;

namespace MudPie.Server.Shelf;

/// <summary>The shelf: inputs, lots, what is short, what goes off.</summary>
public static class ShelfEndpoints
{
    /// <summary>What can be done.</summary>
    public static void MapShelf(this IEndpointRouteBuilder api)
    {
        api.MapGet("/shelf/lots/{id:int}/qr.svg", Square).ForVisitor("A code that opens the lot on a telephone.");
        api.MapGet("/shelf", ShelfReading.Read).ForVisitor("The shelf: bottles, lots, what is left.").Remember();
        api.MapPost("/shelf/inputs", ShelfInputs.Keep).ForHand("Keeps something on the shelf.");
        api.MapPost("/shelf/inputs/{id:int}/lots", AddLot).ForHand("Adds a lot.");
        api.MapPost("/shelf/lots/{id:int}/entries", AddEntry).ForHand("Writes an entry into a lot's book: taken, counted, spoiled.");
        api.MapPost("/shelf/wage", SetWage).ForHand("What an hour's work costs.");
    }

    private static async Task<Results<ContentHttpResult, Missing>> Square(int id, HoldingDb db, HttpRequest request) =>
        await db.Lots.Where(l => l.Id == id).Select(l => (int?)l.InputId).FirstOrDefaultAsync() is { } input
            ? QrCodes.To(request, $"/shelf?input={input}") : Problems.NotFound("lot");

    private static Task<Results<Written<Kept>, Refused, Clash>> AddLot(int id, LotRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var input = await db.Inputs.AsNoTracking().FirstOrDefaultAsync(i => i.Id == id);
        if (input is null)
        {
            return Refusal.Of("id", "It is not there any more.", "Load the list again.");
        }

        var liquid = StockKeeper.UnitOf(input) == "L";
        var mark = fields.Name("mark", r.Mark, "the lot");
        if (await db.Lots.AnyAsync(l => l.InputId == id && l.Mark == mark))
        {
            fields.Checks.Add("mark", $"There is a lot “{mark}” of it already.", "Give it another mark, or count the old one.");
        }

        var from = r.From ?? clock.Now;
        if (from > clock.Now.AddMinutes(5) || from < clock.Now.AddYears(-10))
        {
            fields.Checks.Add("from", "That day is not in the last ten years.", "Give the day it was bought or made.");
        }

        if (r.Expires is { } far && far > clock.Now.AddYears(30))
        {
            fields.Checks.Add("expires", "That is more than thirty years from now.",
                "Give the day on the label; leave it empty where it does not go off.");
        }
        else if (r.Expires is { } e && e <= from)
        {
            fields.Checks.Add("expires", "It would go off before it came.", "Look at the date on it.");
        }

        var amount = StockDeeds.Amount(r.Amount, liquid, 1e-4, await clock.Units());
        if (amount.Refused is { } wrong)
        {
            fields.Checks.Add(wrong);
        }

        var lot = new StockLot {
            InputId = id,
            Mark = mark,
            Origin = Words.Read<LotOrigin>(fields.OneOf("origin", r.Origin, [.. Words.All<LotOrigin>()])) ?? LotOrigin.Bought,
            From = from,
            Expires = r.Expires,
            Place = string.IsNullOrWhiteSpace(r.Place) ? null : fields.Name("place", r.Place, "the place"),
            KeptC = fields.Optional("kept", r.Kept, Dimension.Temperature, -20, 50),
            Paid = fields.Optional("paid", r.Paid, Dimension.Plain, 0, 1e7),
            Minutes = fields.Optional("minutes", r.Minutes, Dimension.Plain, 0, 100_000),
            Notes = string.IsNullOrWhiteSpace(r.Notes) ? null : r.Notes.Trim(),
        };
        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        lot.Entries.Add(StockEntry.Of(new StockChange(0, amount.Value.Si, StockReason.In, Typed: amount.Value.Typed), from, clock.Now));
        db.Lots.Add(lot);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(lot.Id));
    });

    /// <summary>Counted: what is really there, the difference is entered. Spilt or taken: so much less.</summary>
    private static Task<Results<Written<Kept>, Refused, Clash>> AddEntry(int id, EntryRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var lot = await db.Lots.AsNoTracking().Include(l => l.Input).Where(l => l.Id == id)
            .Select(l => new { l.Input, Left = l.Entries.Sum(e => e.Amount) }).FirstOrDefaultAsync();
        if (lot is null)
        {
            return Refusal.Of("id", "There is no such lot.", "Load the list again.");
        }

        var (unit, units) = (StockKeeper.UnitOf(lot.Input), await clock.Units());
        var reason = Words.Read<StockReason>(fields.OneOf("reason", r.Reason, "count", "spilt", "made")) ?? StockReason.Count;
        var deed = StockDeeds.Enter(id, lot.Left, reason, StockDeeds.Amount(r.Amount, unit == "L", 0, units), r.Note,
            left => StockKeeper.Shown(left, unit, units));
        var at = fields.Past("at", r.At, clock.Now);
        if (deed.Refused is { } refused)
        {
            fields.Checks.Add(refused);
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        var entry = StockEntry.Of(deed.Value, at, clock.Now);
        db.StockEntries.Add(entry);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(entry.Id));
    });

    private static Task<Results<Written<Kept>, Refused, Clash>> SetWage(WageRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var wage = fields.Optional("hourly", r.Hourly, Dimension.Plain, 0, 1000);
        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        if (await db.Holdings.OrderBy(h => h.Id).FirstOrDefaultAsync() is not { } holding)
        {
            return Writes.NoHolding;
        }

        holding.HourlyWage = wage;
        return Writes.Done(new Kept(holding.Id));
    });
}
