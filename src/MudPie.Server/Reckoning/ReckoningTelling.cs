using System.Globalization;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Judging.Reckoning;
using MudPie.Core.Measures;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Server.Web;

namespace MudPie.Server.Reckoning;

/// <summary>A reckoning as its page shows it.</summary>
public sealed class ReckoningTelling(HoldingDb db, HoldingClock clock, ReckoningDesk desk)
{
    private static readonly Caution Neutral = new("reckoning-other-reasons",
        "A thing may be kept for other reasons than money: say which, and it is left alone. Food safety, waits and labels are no matter of "
            + "worth.", "What a certifier or a law asks for stays, whatever it costs.");

    /// <summary>The year that ends now, the one before beside it.</summary>
    public async Task<ReckoningView> Of(ReckoningAsked a, CancellationToken stop)
    {
        var (year, last) = (await desk.Year(a, 0, stop), await desk.Year(a, 1, stop));
        var units = await clock.Units();
        var holding = await clock.Find();
        var hourly = a.Hour ?? holding?.HourlyWage;
        var kept = (await db.KeptAnyway.AsNoTracking().OrderBy(k => k.Id).ToListAsync(stop)).GroupBy(k => k.Practice)
            .ToDictionary(g => g.Key, g => g.Last().Why);
        List<ReckonRowView> rows = [];
        foreach (var r in year.Rows)
        {
            rows.Add(await Row(r, last.Rows.FirstOrDefault(l => l.Key == r.Key), kept.GetValueOrDefault(r.Key), (units,
                a.Years ?? ReckoningDesk.UsualYears)));
        }

        var paid = year.Rows.Where(r => r.Worth.Value.Word == ReckonWord.Keep).ToList();
        return new ReckoningView {
            Span = $"{Month(year.From)} to {Month(year.To)}",
            Area = Per.LargeArea(units),
            Headline = rows.Count == 0 ? "Nothing was put out this year yet." : $"You put in {Say.Number(year.Hours, 3)} h and "
                + $"{Reckoner.Money(year.Money)}. {Reckoner.ShareSays(paid.Sum(r => Whole(r.Sum, hourly)),
                    year.Rows.Sum(r => Whole(r.Sum, hourly)))}",
            Second = Reckoner.Dearest([.. year.Rows.Select(r => (r.Name, r.Worth.Value))]),
            Logged = LoggedSays(year),
            LastYear = last.Rows.Count == 0 ? "Nothing was put out the year before."
                : $"The year before: {Say.Number(last.Hours, 3)} h and {Reckoner.Money(last.Money)}, "
                    + $"{Say.Count(last.Rows.Count, "practice")}.",
            Hours = year.Hours,
            Money = year.Money,
            Rows = rows,
            Beside = [.. year.Beside.Select(b => new WorkBesideView(b.Name, Says(b.Work.Sum(w => w.Minutes) / 60, b.Money),
                b.Work.Sum(w => w.Minutes) / 60, b.Money, b.Says, Steps(PutIn.Steps(b.Work))))],
            Find = [.. rows.Where(r => r.Word is ReckonWord.TestAgain or ReckonWord.TestOrDrop).Select(r => r.Find).OfType<FindOutView>()
                .OrderByDescending(f => f.Net)],
            Freed = Freed(year, [.. rows.Where(r => r.KeptWhy is not null).Select(r => r.Key)]),
            Splits = Splits(year, hourly, units, holding?.Latitude ?? 0),
            Terms = await Terms(year),
            Hourly = hourly,
            Years = a.Years ?? ReckoningDesk.UsualYears,
            GroundAsked = a.Hectares,
            GroundUnit = units.IsUs() ? "acres" : "ha",
            Cautions = [Neutral],
        };
    }

    private static double Whole(PutInSum sum, double? hourly) => sum.Money + (sum.Hours * (hourly ?? 0));

    private static string Says(double hours, double money) => $"{Say.Number(hours, 2)} h{(money > 0 ? $" · {Reckoner.Money(money)}" : "")}";

    private static string Month(DateOnly on) => on.ToString("MMMM yyyy", CultureInfo.InvariantCulture);

    private static string LoggedSays(ReckonedYear year)
    {
        var logged = (year.Parts.SelectMany(p => p.Work).Concat(year.Beside.SelectMany(b => b.Work)).Where(w => w.Logged)
            .Sum(w => w.Minutes)) / 60;
        return $"{Say.Number(logged, 2)} h of them were written down; the rest are usual minutes for each step that was done.";
    }

    private static List<SpentView> Steps(IReadOnlyList<SpentSum> steps) =>
        [.. steps.Select(s => new SpentView(s.Name, Say.Minutes(s.Minutes), s.Logged))];

    private async Task<ReckonRowView> Row(Reckoned r, Reckoned? last, string? kept, (UnitSystem Units, double Years) with)
    {
        var (w, units) = (r.Worth.Value, with.Units);
        double Shown(double x) => w.Priced ? Per.Large(x, units) : x;
        string Signed(double x) => (x < 0 ? "−" : "+") + (w.Priced ? Reckoner.Money(Math.Abs(Shown(x))) : Say.Number(Math.Abs(x)));
        var claims = await desk.Claims(r);
        var beside = r.Asked.Own.Concat(r.Asked.Together).Where(f => !f.Stands || (w.Rung == Rung.Own && f.TrialId is null)
            || (f.TrialId is not null && w.Rung == Rung.Own && w.Priced && f.PerHa is null)).Select(f =>
            $"{f.Label}: {(f.Difference < 0 ? "−" : "+")}{Say.Number(Math.Abs(f.Difference))}{Say.Unit(f.Unit)}"
            + (f.Why is null ? "" : $". {f.Why}")).Distinct();
        return new ReckonRowView {
            Key = r.Key, Name = r.Name, Says = r.Sum.Says, Hours = r.Sum.Hours, Money = r.Sum.Money, Unpriced = r.Sum.Unpriced,
            Ground = $"{Say.Count(r.Sum.Jobs, "time")} on {Units.Show(r.Sum.AreaM2, Dimension.Area, units)}", Hectares = r.Sum.Hectares,
            CostShown = r.CostPerHa is { } c ? $"{Reckoner.Money(Per.Large(c, units))} {Per.LargeArea(units)}" : null,
            Rung = w.Rung, Word = w.Word, Measured = w.Measured, Priced = w.Priced, Unit = w.Unit,
            Mean = Shown(w.Mean), Lower = Shown(w.Lower), Upper = Shown(w.Upper),
            RangeShown = w.Unit == "unknown" ? "" : $"{Signed(w.Mean)}{(w.Priced ? "" : Say.Unit(w.Unit))}, {Signed(w.Lower)} to "
                + Signed(w.Upper),
            Evidence = w.Evidence, Why = w.Why, Worked = r.Worth, Steps = Steps(r.Sum.Steps),
            Doors = [.. r.Asked.Own.Where(f => f.TrialId is not null).Select(f => new EvidenceDoor(f.Label, $"/judge/trials/{f.TrialId}"))
                .DistinctBy(d => d.Door), .. r.Asked.Together.Count > 0 ? [new EvidenceDoor("gardens together", "/judge/together")]
                : Array.Empty<EvidenceDoor>()],
            Beside = [.. beside, .. CostsApart(r, units)],
            LastYear = last is null ? "not done the year before" : $"the year before: {last.Sum.Says}",
            KeptWhy = kept, Claims = claims, Find = Find(r, with.Years, units),
        };
    }

    /// <summary>Where a trial's own page goes by another cost than it came to.</summary>
    private static IEnumerable<string> CostsApart(Reckoned r, UnitSystem units) => r.CostPerHa is not { } cost ? []
        : r.Asked.Own.Where(f => f.CostGiven is { } given && Math.Abs(given - cost) > 0.1 * cost).Select(f =>
            $"the trial’s own page takes off {Reckoner.Money(Per.Large(f.CostGiven!.Value, units))} {Per.LargeArea(units)}, as you gave it "
            + $"there; this year it came to {Reckoner.Money(Per.Large(cost, units))}");

    private static FindOutView? Find(Reckoned r, double years, UnitSystem units)
    {
        if (r.Try is not { Refused: null } told)
        {
            return null;
        }

        var t = told.Value;
        var again = r.Worth.Value.Word == ReckonWord.TestAgain;
        return new FindOutView(r.Key, $"{r.Name}: {t.PlotsOfEach} {(again ? "more plots" : "plots")} of each", t.Says, t.Told.Net,
            Reckoner.Money(t.Told.WorthOfTrial / years), $"on {Units.Show(r.Hectares * 10_000, Dimension.Area, units)} for "
                + (years == 1 ? "a year" : $"{Say.Number(years)} years"), t.CheaperToStop,
            $"/judge/new?reckoned={Uri.EscapeDataString(r.Key)}&plots={t.PlotsOfEach}", told.Worked);
    }

    private static FreedView Freed(ReckonedYear year, HashSet<string> kept)
    {
        var go = year.Rows.Where(r => r.Worth.Value.Word != ReckonWord.Keep && !kept.Contains(r.Key)).ToList();
        var unused = year.Beside.Where(b => b.Id == "unused").ToList();
        var (hours, money) = (go.Sum(r => r.Sum.Hours) + (unused.Sum(b => b.Work.Sum(w => w.Minutes)) / 60),
            go.Sum(r => r.Sum.Money) + unused.Sum(b => b.Money));
        return new FreedView(hours, money, $"{Say.Number(hours, 3)} h a year", $"{Reckoner.Money(money)} a year", go.Count,
            kept.Count == 0 ? "Everything that was not shown to pay would go, and with it what may yet turn out to."
                : $"{Say.Count(kept.Count, "practice")} that you keep for other reasons {(kept.Count == 1 ? "is" : "are")} left alone.");
    }

    private static IReadOnlyList<SplitView> Splits(ReckonedYear year, double? hourly, UnitSystem units, double latitude)
    {
        SplitView By(string by, Func<PutInPart, string> of) => new(by, [.. year.Parts.GroupBy(of).Select(g =>
        {
            var sum = PutIn.Sum(g);
            return new SplitLine(g.Key, sum.Says, sum.Hours, sum.Money, PutIn.CostPerHa(sum, hourly) is { } c
                ? $"{Reckoner.Money(Per.Large(c, units))} {Per.LargeArea(units)}" : null);
        }).OrderByDescending(l => l.Hours)]);
        return [By("bed", p => p.Ground.Bed), By("planting", p => $"{p.Ground.Crop}, {p.Ground.Bed}"), By("season", p =>
            Reckoner.Season(p.On, latitude)), By("thing", p => p.Thing.Name)];
    }

    private async Task<TermsView> Terms(ReckonedYear year)
    {
        var newest = await db.Reckonings.AsNoTracking().OrderByDescending(r => r.Id).FirstOrDefaultAsync();
        var terms = newest?.Terms ?? new ReckoningTerms();
        var (units, usual) = (await clock.Units(), new UsualMinutes(terms.Minutes));
        string Typed(double? x) => x is { } v ? v.ToString("0.####", CultureInfo.InvariantCulture) : "";
        var beds = await db.Beds.AsNoTracking().Where(b => b.Crop != Records.Ground.Bed.Nothing).Select(b => b.Crop).ToListAsync();
        var crops = year.Parts.Select(p => p.Ground.Crop).Concat(beds).Select(Practices.CropKey).Concat(terms.Crops.Keys)
            .Where(c => c.Length > 0 && c != "bare ground").Distinct().Order(StringComparer.Ordinal);
        return new TermsView(newest?.Id, [.. UsualMinutes.House.Select(s => new UsualView(s.Id, s.Name, s.Of, s.Minutes, usual.Of(s.Id),
            usual.Own(s.Id)))], Typed(terms.WaterPerM3 * Per.Price(1, "L", units)), units.IsUs() ? "1000 gallons" : "cubic metre",
            Typed(terms.Trip), Typed(terms.HoursAWeek ?? ReckoningTerms.UsualHoursAWeek), Typed((await clock.Find())?.HourlyWage),
            [.. crops.Select(c => new CropPriceView(c, Typed(terms.Crops.TryGetValue(c, out var p) ? Per.Price(p, "kg", units) : null)))],
            Per.PricedBy("kg", units));
    }
}
