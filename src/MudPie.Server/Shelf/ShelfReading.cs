using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Shelf;
using MudPie.Server.Lots;
using MudPie.Server.PuttingOut;
using MudPie.Server.Sheets;
using MudPie.Server.Solids;
using MudPie.Server.Web;

namespace MudPie.Server.Shelf;

/// <summary>The shelf as it is read: each input with its lots and what they cost, what is short, what goes off.</summary>
internal static class ShelfReading
{
    /// <summary>All of it, with what is short and what goes off.</summary>
    public static async Task<Ok<ShelfView>> Read(HoldingDb db, HoldingClock clock, StockKeeper stock)
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
                    units) with { May = May(i, l, lots.First(x => x.Id == l.Id).Unfit, now) }).ToList();
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
                PriceShown = i.Price is { } q ? Per.PriceShown(q, unit, units) : null,
                PricedBy = Per.PricedBy(unit, units),
                Density = i.Density,
                Species = i.Species is null
                    ? [] : i.Species,
                LabelPer = i.LabelPer,
                LabelRateShown = Labels.Told(i, units)?.Rate,
                LabelBasis = i.LabelBasis?.Told(units).Word,
                LabelEveryDays = i.LabelEveryDays,
                LabelWaitDays = i.LabelWaitDays,
                LabelSays = Labels.Says(i, units),
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

    private static LotMay May(Input i, StockLot l, bool unfit, DateTimeOffset now) => new(SolidDesk.Kinds.ContainsKey(i.Kind),
        SheetDesk.Tested.Contains(i.Kind), SolidDesk.Fails(i, l, unfit, now));

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
            [.. entries.Take(12).Select(e => EntryLine(e, unit, units))], new LotMay(false, false, false));
    }

    private static EntryView EntryLine(EntryRow row, string unit, UnitSystem units)
    {
        var (e, shown) = (row.Entry, StockKeeper.Shown(Math.Abs(row.Entry.Amount), unit, units));
        return new EntryView(e.Id, e.At, (e.Amount < 0 ? "−" : "+") + shown, e.Reason,
            row.Batch ?? (e.ApplicationId is null ? null : "a job"),
            e.BatchId is { } b ? $"/brew/{b}" : e.ApplicationId is { } x ? $"/book?entry={x}" : null, e.Note,
            AsTyped.Beside(e.Typed, shown));
    }

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
}
