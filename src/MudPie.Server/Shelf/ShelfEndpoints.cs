using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Shelf;
using MudPie.Server.Lots;
using MudPie.Server.PuttingOut;
using MudPie.Server.Web;

namespace MudPie.Server.Shelf;

/// <summary>The shelf: inputs, lots, what is short, what goes off.</summary>
public static class ShelfEndpoints
{
    /// <summary>What can be done.</summary>
    public static void MapShelf(this IEndpointRouteBuilder api)
    {
        api.MapGet("/shelf", Read).WithSummary("The shelf: bottles, lots, what is left.");
        api.MapPost("/shelf/inputs", KeepInput).WithSummary("Keeps something on the shelf.");
        api.MapPost("/shelf/inputs/{id:int}/lots", AddLot).WithSummary("Adds a lot.");
        api.MapPost("/shelf/lots/{id:int}/entries", AddEntry).WithSummary("Writes an entry into a lot's book: taken, counted, spoiled.");
        api.MapPost("/shelf/wage", SetWage).WithSummary("What an hour's work costs.");
    }

    private static async Task<Ok<ShelfView>> Read(HoldingDb db, HoldingClock clock, StockKeeper stock)
    {
        var units = await clock.Units();
        var now = clock.Now;
        var standing = await stock.Standing();
        var inputs = await db.Inputs.AsNoTracking().Include(i => i.Lots).OrderBy(i => i.Id).Take(500).ToListAsync();
        var lotIds = inputs.SelectMany(i => i.Lots).Select(l => l.Id).ToList();
        var wage = (await clock.Find())?.HourlyWage;
        var entries = (await db.StockEntries.AsNoTracking().Where(e => lotIds.Contains(e.LotId)).OrderByDescending(e => e.At)
            .ThenByDescending(e => e.Id).Take(3000)
            .Select(e => new EntryRow(e, db.Batches.Where(b => b.Id == e.BatchId).Select(b => b.Name).FirstOrDefault()))
            .ToListAsync()).ToLookup(e => e.Entry.LotId);
        var came = (await db.StockEntries.AsNoTracking().Where(e => e.Reason == StockReason.In).GroupBy(e => e.LotId)
            .Select(g => new { g.Key, In = g.Sum(e => e.Amount) }).ToListAsync()).ToDictionary(x => x.Key, x => x.In);
        var views = inputs.Select(i =>
        {
            var kind = InputKinds.Of(i.Kind);
            var unit = StockKeeper.UnitOf(i);
            var lots = standing.GetValueOrDefault(i.Id) ?? [];
            var rows = i.Lots.OrderBy(l => l.Expires ?? DateTimeOffset.MaxValue).ThenBy(l => l.From)
                .Select(l => Lot(l, kind, unit, lots.First(x => x.Id == l.Id), [.. entries[l.Id]], came.GetValueOrDefault(l.Id), wage, now,
                    units)).ToList();
            return new ShelfInputView {
                Id = i.Id,
                Name = i.Name,
                Lot = i.Lot,
                Kind = i.Kind,
                KindName = kind.Name,
                Group = kind.Group,
                Unit = unit,
                LeftShown = i.Lots.Count == 0 ? "not counted"
                    : StockKeeper.Shown(Math.Max(0, lots.Where(l => !l.Unfit && !(l.Expires < now)).Sum(l => l.Left)), unit, units),
                Price = i.Price is { } p ? Say.Fixed(Per.Price(p, unit, units), 2) : null,
                PricedBy = Per.PricedBy(unit, units),
                Density = i.Density,
                Species = i.Species is null
                    ? [] : i.Species,
                LabelPer = i.LabelPer,
                LabelRateShown = Labels.RateShown(i, units),
                LabelBasis = i.LabelBasis,
                LabelEveryDays = i.LabelEveryDays,
                LabelWaitDays = i.LabelWaitDays,
                LabelSays = LabelOf(i, unit, units),
                Npk = i.NShare is { } n
                    ? $"{Say.Number(n * 100)}-{Say.Number((i.PShare ?? 0) * 100)}-{Say.Number((i.KShare ?? 0) * 100)}" : null,
                Ph = i.Ph,
                Notes = i.Notes,
                UnfitWhy = i.UnfitWhy,
                Counted = i.Lots.Count > 0,
                MadeOrBought = MadeOrBought(i, came, wage, unit, units),
                Lots = rows,
                Version = i.Version,
            };
        }).ToList();
        return TypedResults.Ok(new ShelfView(views, await ToBuy(db, clock, inputs, standing, units), Expiring(views, now), InputKinds.All,
            wage));
    }

    private static List<string> Expiring(IEnumerable<ShelfInputView> views, DateTimeOffset now) =>
        views.SelectMany(v => v.Lots.Where(l => l.Expires is { } e && e < now.AddDays(21) && l.LeftShare > 0)
            .Select(l => $"{v.Name}, {l.Mark}: "
                + $"{(l.Expires < now ? "past its date" : $"goes off in {Math.Ceiling((l.Expires!.Value - now).TotalDays):0} days")}, "
                + $"{l.LeftShown} left")).ToList();

    private sealed record EntryRow(StockEntry Entry, string? Batch);

    private static LotView Lot(StockLot l, InputKind kind, string unit, LotStanding s, IReadOnlyList<EntryRow> entries, double came,
        double? wage, DateTimeOffset now, UnitSystem units)
    {
        var alive = kind.Life is null ? (double?)null : Stock.Alive(kind.Life, l.From, now, l.KeptC);
        var uncounted = entries.FirstOrDefault(e => e.Entry.Reason is StockReason.More or StockReason.Count)?.Entry.Reason
            == StockReason.More;
        var (says, tone) = Stock.Says(s, uncounted, alive, now);
        return new LotView(
            l.Id, l.Mark, l.Origin, StockKeeper.Shown(Math.Max(0, s.Left), unit, units),
            Math.Clamp(s.Left / Math.Max(came, 1e-9), 0, 1), l.From, l.Expires, l.Place, l.KeptC is { } c
                ? Units.Show(c, Dimension.Temperature, units) : null,
            alive is { } a ? $"{Say.Number(a * 100, 2)} % alive" : null, says, tone,
            UnitCost(l, came, wage) is { } cost ? Per.PriceShown(cost, unit, units) : null, l.Notes,
            [.. entries.Take(12).Select(e => EntryLine(e, unit, units))]);
    }

    private static EntryView EntryLine(EntryRow row, string unit, UnitSystem units)
    {
        var (e, shown) = (row.Entry, StockKeeper.Shown(Math.Abs(row.Entry.Amount), unit, units));
        return new EntryView(e.Id, e.At, (e.Amount < 0 ? "−" : "+") + shown, e.Reason,
            row.Batch ?? (e.ApplicationId is null ? null : "a job"),
            e.BatchId is { } b ? $"/brew/{b}" : e.ApplicationId is { } x ? $"/book?entry={x}" : null, e.Note,
            AsTyped.Beside(e.Typed, shown));
    }

    /// <summary>The label in its own words; of older entries, rate and basis.</summary>
    private static string? LabelOf(Input i, string unit, UnitSystem units) =>
        i.LabelTyped ?? (i.LabelRate is { } rate ? i.LabelBasis == RateBasis.OneIn
            ? $"1 in {Say.Number(rate)}"
            : $"{Units.Show(unit == "L" ? rate / 1000 : rate, unit == "L" ? Dimension.Volume : Dimension.Mass, units)} "
                + (i.LabelBasis ?? RateBasis.OneIn).Says() : null);

    private static double? UnitCost(StockLot l, double came, double? wage) =>
        came <= 0 || (l.Paid is null && (l.Minutes is null || wage is null))
            ? null : ((l.Paid ?? 0) + ((l.Minutes ?? 0) * (wage ?? 0) / 60)) / came;

    private static string? MadeOrBought(Input i, Dictionary<int, double> came, double? wage, string unit, UnitSystem units)
    {
        double? Cheapest(LotOrigin origin) => i.Lots.Where(l => l.Origin == origin)
            .Select(l => UnitCost(l, came.GetValueOrDefault(l.Id), wage)).Min();
        var (made, bought) = (Cheapest(LotOrigin.Made), Cheapest(LotOrigin.Bought) ?? i.Price);
        return made is { } m && bought is { } b
            ? $"Yours comes to {Per.PriceShown(m, unit, units)}, bought {Say.Fixed(Per.Price(b, unit, units), 2)}"
                + $"{(wage is null ? "; your time is not counted until an hour has a price" : "")}." : null;
    }

    /// <summary>What plans of the coming two weeks want: batches not begun, and givings.</summary>
    private static async Task<List<ToBuyView>> ToBuy(HoldingDb db, HoldingClock clock, List<Input> inputs,
        Dictionary<int, IReadOnlyList<LotStanding>> standing, UnitSystem units)
    {
        var (now, until) = (clock.Now, clock.Now.AddDays(14));
        var wants = new List<Want>();
        foreach (var batch in await db.Batches.AsNoTracking().Where(b => b.State == BatchState.Planned && b.UseAt < until).ToListAsync())
        {
            var brew = batch.Brew;
            foreach (var (kind, litres) in (brew.Foods ?? []).Select(f => (f.Kind, (f.Ml ?? 0) / 1000))
                .Concat((brew.Sources ?? []).Select(s => (s.Kind, s.Litres ?? 0))))
            {
                if (inputs.FirstOrDefault(i => i.Kind == kind && i.Lots.Count > 0
                    && (batch.SourceInputId is null || InputKinds.Of(kind!).Group != "source" || i.Id == batch.SourceInputId)) is { } input)
                {
                    wants.Add(new Want(input.Id, StockKeeper.InUnit(input, litres, kind!), batch.PlannedStart, batch.Name));
                }
            }
        }

        var dosing = await Dosing.Of(db);
        var (from, to) = (DateOnly.FromDateTime(now.UtcDateTime), DateOnly.FromDateTime(until.UtcDateTime));
        foreach (var g in await db.Givings.AsNoTracking().Where(g => g.ApplicationId == null && g.On >= from && g.On <= to)
            .Select(g => new { g.Kind, g.InputId, g.On, g.Programme.Bed.Name, g.Programme.Bed.AreaM2, g.Purpose, g.OneIn }).ToListAsync())
        {
            if ((inputs.FirstOrDefault(i => i.Id == g.InputId) ?? inputs.FirstOrDefault(i => InputKinds.Of(i.Kind).Biostimulant == g.Kind
                && i.Lots.Count > 0)) is { } input && Biostimulants.Find(g.Kind) is { } kind)
            {
                wants.Add(new Want(input.Id,
                    StockKeeper.InUnit(input,
                        Doses.Of(new DoseQuestion {
                            Kind = kind, Purpose = g.Purpose, AreaM2 = g.AreaM2, MixLPerHa = dosing.MixLPerHa,
                            Label = Labels.Of(input), OwnOneIn = g.OneIn
                        }).ProductL, input.Kind),
                            new DateTimeOffset(g.On.ToDateTime(new TimeOnly(6, 0)), TimeSpan.Zero), $"{kind.Name} on {g.Name}"));
            }
        }

        return [.. Shopping.List(wants, standing).Select(b =>
        {
            var input = inputs.First(i => i.Id == b.InputId);
            var unit = StockKeeper.UnitOf(input);
            return new ToBuyView(b.InputId, input.Name, StockKeeper.Shown(b.Amount, unit, units), b.By, Say.List([.. b.For]),
                StockKeeper.Shown(b.Left, unit, units));
        })];
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> KeepInput(ShelfRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) => writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var input = r.Id is null ? null : await db.Inputs.FindAsync(r.Id.Value);
        if (r.Id is not null && input is null)
        {
            return Refusal.Of("id", "It is not there any more.", "Load the list again.");
        }

        if (input is null)
        {
            input = new Input { Name = "", Kind = "" };
            db.Inputs.Add(input);
        }

        db.Seen(input, r.Version, fields.Checks);
        var kind = fields.OneOf("kind", r.Kind, [.. InputKinds.All.Select(k => k.Kind)]);
        var unit = string.IsNullOrEmpty(r.Unit) ? InputKinds.Of(kind).Unit : fields.OneOf("unit", r.Unit, "L", "kg");
        if (input.Id != 0 && unit != StockKeeper.UnitOf(input) && await db.Lots.AnyAsync(l => l.InputId == input.Id))
        {
            fields.Checks.Add("unit", "Its lots are kept in the other unit already.",
                "Add it anew under another name, and use the old lots up.");
        }

        input.Name = fields.Name("name", r.Name, "it");
        (input.Kind, input.Unit) = (kind, unit);
        double? Plain(string field, string? typed, double low, double high, string? way = null) => string.IsNullOrWhiteSpace(typed)
            ? null : fields.Quantity(field, typed, Dimension.Plain, low, high, way);
        input.Density = Plain("density", r.Density, 0.05, 3, "kg in a litre; water is 1.");
        input.Price = Plain("price", r.Price, 0, 100_000, $"Of a {Per.PricedBy(unit, fields.Units)}.") is { } price
            ? Per.PriceSi(price, unit, fields.Units) : null;
        input.LabelEveryDays = Plain("labelEveryDays", r.LabelEveryDays, 1, 365);
        input.LabelWaitDays = Plain("labelWaitDays", r.LabelWaitDays, 0, 365);
        input.Ph = Plain("ph", r.Ph, 0, 14);
        input.Notes = string.IsNullOrWhiteSpace(r.Notes) ? null : r.Notes.Trim()[..Math.Min(r.Notes.Trim().Length, 500)];
        Label(r, input, unit, fields);
        Npk(r.Npk, input, fields);
        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        await db.SaveChangesAsync();
        return Writes.Done(new Kept(input.Id));
    });

    private static void Label(ShelfRequest r, Input input, string unit, TypedFields fields)
    {
        var species = r.Species.Where(s => !string.IsNullOrWhiteSpace(s.Name) || !string.IsNullOrWhiteSpace(s.Count))
            .Select((s, i) => new LabelSpecies {
                Name = fields.Name($"species[{i}].name", s.Name, "the organism"),
                Count = OrganismCount.Read(s.Count, $"species[{i}].count", fields)
            }).ToList();
        if (species.Count > 12)
        {
            fields.Checks.Add("species", "That is more than twelve.", "Give the twelve that count.");
        }

        input.Species = species.Count == 0 ? null : species;
        input.LabelPer = species.Count == 0 ? null : r.LabelPer;
        if (species.Count > 0 && r.LabelPer is not ("mL" or "g"))
        {
            fields.Checks.Add("labelPer", "The label's count says nothing without its “per”.",
                "Is it per mL or per g? It stands beside the number; powders and granules go by the gram.");
        }

        (input.LabelRate, input.LabelBasis, input.LabelRates, input.LabelTyped) = (null, null, null, null);
        if (string.IsNullOrWhiteSpace(r.LabelRate))
        {
            return;
        }

        // As the label says it, basis and all; a bare amount takes the basis that was chosen beside it.
        var typed = r.LabelRate.Trim();
        var read = LabelRates.Read(typed, unit == "L", fields.Units);
        if (read.Refused is { } first && first.Problems[0].Wrong.EndsWith("on what?", StringComparison.Ordinal)
            && r.LabelBasis is { } basis)
        {
            typed = basis.Typed(typed);
            read = LabelRates.Read(typed, unit == "L", fields.Units);
        }

        if (read.Refused is { } refused)
        {
            fields.Checks.Add(refused);
            return;
        }

        var main = read.Value[0];
        input.LabelTyped = typed;
        input.LabelRates = read.Value;
        (input.LabelRate, input.LabelBasis) = ((main.Low + main.High) / 2, main.Basis);
        input.LabelEveryDays ??= main.EveryDays;
    }

    private static void Npk(string? typed, Input input, TypedFields fields)
    {
        (input.NShare, input.PShare, input.KShare) = (null, null, null);
        if (string.IsNullOrWhiteSpace(typed))
        {
            return;
        }

        // none goes to a thousand
        var parts = typed.Split('-', StringSplitOptions.TrimEntries)
            .Select(p => TypedNumber.Of(p.TrimEnd('%'), pointIsDecimal: true, commaIsDecimal: true).Value ?? double.NaN).ToList();
        if (parts.Count != 3 || parts.Any(p => !(p is >= 0 and <= 65)) || parts.Sum() > 100)
        {
            fields.Checks.Add("npk", $"“{typed}” is no N-P-K.", "Write it as 2-1-3: per cent of N, P₂O₅ and K₂O by weight.");
            return;
        }

        (input.NShare, input.PShare, input.KShare) = (parts[0] / 100, parts[1] / 100, parts[2] / 100);
    }

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
