using Microsoft.EntityFrameworkCore;
using MudPie.Core.Book;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Book;
using MudPie.Records.Ground;
using MudPie.Records.PuttingOut;
using MudPie.Records.Shelf;

namespace MudPie.Server.Book;

/// <summary>What a book's file brought.</summary>
public sealed record BookBrought(int Jobs, int Harvests, int Seen, int Lots, int Known);

/// <summary>Reads a book's file into the holding: all of it or nothing; what the book holds already is left as it is.</summary>
public sealed class BookIn(HoldingDb db, DateTimeOffset now)
{
    private static readonly string[] SprayerKinds = ["knapsack", "can", "boom", "injector", "other"];

    private readonly BookCells _cells = new(now);
    private readonly Dictionary<string, Bed> _beds = new(StringComparer.OrdinalIgnoreCase); // two beds are not told apart by capitals
    private readonly Dictionary<(string, string), Input> _inputOf = [];
    private readonly Dictionary<(string, string), StockLot> _lotOf = [];
    private readonly List<Action> _whenNumbered = []; // what names another line by its number, once it has one
    private readonly Dictionary<string, Sprayer> _sprayers = [];
    private readonly Dictionary<(string, string), Input> _inputs = [];
    private readonly Dictionary<(string, string, string), StockLot> _lots = [];
    private readonly Dictionary<string, Application> _jobs = [];
    private readonly HashSet<StockLot> _old = [];
    private readonly Dictionary<string, HarvestEntry> _harvests = [];
    private readonly Dictionary<string, Observation> _seen = [];
    private readonly HashSet<string> _newJobs = [];
    private int _newLots;
    private HashSet<string> _known = [];

    /// <summary>Puts the lines in. To be called within a write.</summary>
    public async Task<Ruling<BookBrought>> Put(IReadOnlyList<BookRow> rows)
    {
        await Known();
        foreach (var row in rows)
        {
            _cells.Line++;
            First(row);
            if (_cells.Refusal is { } refusal)
            {
                return refusal;
            }
        }

        _cells.Line = 0;
        foreach (var row in rows)
        {
            _cells.Line++;
            Second(row, _newJobs);
            if (_cells.Refusal is { } refusal)
            {
                return refusal;
            }
        }

        if (_lots.Values.FirstOrDefault(l => !_old.Contains(l) && l.Entries.Sum(e => e.Amount) < -1e-6) is { } below)
        {
            return Refusal.Of("file", $"Lot {below.Mark} of {below.Input.Name} would stand below nought.",
                "More is taken of it than came in: put its stock lines right.");
        }

        await db.SaveChangesAsync();
        _whenNumbered.ForEach(name => name()); // jobs, lots and entries have their numbers now
        await db.SaveChangesAsync();
        return Worked.Of(new BookBrought(_newJobs.Count, _harvests.Values.Count(h => !_known.Contains(BookKeys.Of(h))),
            _seen.Values.Count(o => !_known.Contains(BookKeys.Of(o))), _newLots, _jobs.Count - _newJobs.Count), "",
            Evidence.MeasuredHere);
    }

    /// <summary>What a line says by itself.</summary>
    private void First(BookRow row)
    {
        switch (row.kind)
        {
            case "bed":
                Bed(row);
                break;
            case "sprayer":
                Sprayer(row);
                break;
            case "input":
                Input(row);
                break;
            case "lot":
                _newLots += Lot(row) ? 1 : 0;
                break;
            case "stock" or "job-bed" or "job-item" or "wash":
                break;
            case "job":
                if (Job(row))
                {
                    _newJobs.Add(row.entry);
                }

                break;
            case "harvest":
                Harvest(row, _harvests);
                break;
            case "seen":
                Seen(row, _seen);
                break;
            default:
                _cells.Wrong($"“{row.kind}” is no kind of line.", "See docs/formats/book.md.");
                break;
        }
    }

    private async Task Known()
    {
        foreach (var b in await db.Beds.ToListAsync())
        {
            _beds[b.Name] = b;
        }

        foreach (var s in await db.Sprayers.ToListAsync())
        {
            _sprayers[s.Name] = s;
        }

        foreach (var i in await db.Inputs.Include(i => i.Lots).ToListAsync())
        {
            _inputs.TryAdd((i.Name, i.Lot ?? ""), i);
            _inputOf.TryAdd((i.Name, i.Kind), i);
            foreach (var l in i.Lots)
            {
                _lots[(i.Name, i.Lot ?? "", l.Mark)] = l;
                _lotOf.TryAdd((i.Name, l.Mark), l);
                _old.Add(l);
            }
        }

        _known = await BookKeys.Of(db);
    }

    private void Bed(BookRow r)
    {
        if (_beds.ContainsKey(r.bed))
        {
            return;
        }

        var area = _cells.Number(r.area_m2);
        if (Names.Wrong(r.bed) is not null || !(area is >= 0.1 and <= 1_000_000))
        {
            _cells.Wrong($"“{Short(r.bed)}” of {r.area_m2} m² is no bed.", "A name of up to 60 letters, and 0.1 to 1,000,000 m².");
            return;
        }

        _beds[r.bed] = new Bed {
            Name = r.bed, AreaM2 = area, AreaTyped = $"{r.area_m2} m²", Crop = r.crop,
            Growing = r.what_kind is "grass" or "perennial" or "tree" ? r.what_kind : "annual", Eaten = BookOut.EatenOf(r.note)
        };
        db.Beds.Add(_beds[r.bed]);
    }

    private void Sprayer(BookRow r)
    {
        if (_sprayers.ContainsKey(r.tool) || Nameless(r.tool))
        {
            return;
        }

        _sprayers[r.tool] = new Sprayer {
            Name = r.tool, Kind = _cells.OneOf(r.what_kind, SprayerKinds),
            TankL = _cells.Amount(r.tank_l, 20_000), Past = r.note is "new" or "biology" or "fertiliser" or "poison" ? r.note : "unknown",
            ClearedWhy = r.why.Length > 0 ? r.why : null
        };
        db.Sprayers.Add(_sprayers[r.tool]);
    }

    private bool Nameless(string name)
    {
        if (Names.Wrong(name) is not { } wrong)
        {
            return false;
        }

        _cells.Wrong($"“{Short(name)}”: {char.ToLowerInvariant(wrong[0])}{wrong[1..]}",
            "Give a name of up to 60 letters, all of which can be seen.");
        return true;
    }

    private static string Short(string text) => text.Length > 30 ? text[..30] + "…" : text;

    private void Input(BookRow r)
    {
        if (_inputs.ContainsKey((r.what, r.place)) || Nameless(r.what))
        {
            return;
        }

        var input = new Input {
            Name = r.what, Kind = _cells.OneOf(r.what_kind, [.. Core.Shelf.InputKinds.All.Select(k => k.Kind)]),
            Lot = r.place.Length > 0 ? r.place : null, Unit = _cells.Unit(r.unit)
        };
        _inputs[(r.what, r.place)] = input;
        _inputOf.TryAdd((input.Name, input.Kind), input);
        db.Inputs.Add(input);
    }

    private bool Lot(BookRow r)
    {
        if (_lots.ContainsKey((r.what, r.place, r.lot)) || !_inputs.TryGetValue((r.what, r.place), out var input))
        {
            return false;
        }

        var lot = new StockLot {
            Input = input, Mark = r.lot, Origin = _cells.One<LotOrigin>(r.what_kind),
            From = _cells.Past(r.at), Expires = r.expires.Length > 0 ? _cells.Time(r.expires) : null, Place = BookCells.Text(r.weather),
            KeptC = _cells.Maybe(r.kept_c), Paid = _cells.Maybe(r.paid), Minutes = _cells.Maybe(r.minutes),
            Notes = BookCells.Text(r.note)
        };
        _lots[(r.what, r.place, r.lot)] = lot;
        _lotOf.TryAdd((r.what, r.lot), lot);
        db.Lots.Add(lot);
        return true;
    }

    private bool Job(BookRow r)
    {
        var job = new Application {
            At = _cells.Past(r.at),
            RecordedAt = _cells.Recorded(r.recorded_at),
            Purpose = Words.Read<Purpose>(_cells.OneOf(r.purpose, [.. Words.All<Purpose>(), ""])) ?? Purpose.Leaf,
            Dilution = r.dilution,
            OneIn = _cells.Number(r.amount),
            TeaL = _cells.Amount(r.brew_l),
            WaterL = _cells.Amount(r.water_l),
            SpareL = _cells.Amount(r.spare_l),
            Tool = r.tool,
            Sprayer = _sprayers.GetValueOrDefault(r.tool),
            TankL = _cells.Amount(r.tank_l),
            Fitness = r.gate,
            Who = BookCells.Text(r.who),
            Why = BookCells.Text(r.why),
            Weather = BookCells.Text(r.weather),
            FoodWaiting = BookCells.Text(r.food_waiting),
            OverrideWhy = BookCells.Text(r.override_why),
            MixWhy = BookCells.Text(r.mix_why),
            CautionsSeen = r.cautions,
            CorrectionWhy = BookCells.Text(r.correction_why),
            Strikes = r.struck == "yes",
            Solid = r.what_kind == "solid",
        };
        var fresh = !_known.Contains(BookKeys.Of(job));
        _jobs[r.entry] = job;
        return fresh;
    }

    private void Harvest(BookRow r, Dictionary<string, HarvestEntry> harvests)
    {
        if (!_beds.TryGetValue(r.bed, out var bed))
        {
            _cells.Wrong($"There is no bed “{r.bed}”.", "A line of kind bed comes first.");
            return;
        }

        // A file may tell of older years than a form takes: its hours are judged by its cells, the rest by the one door.
        var (at, kg) = (_cells.Past(r.at), _cells.Amount(r.amount));
        var deed = BookDeeds.Harvest(r.crop, Worked.Of(new Amount("", kg, $"{r.amount} kg", null), "kg", Evidence.MeasuredHere), r.note,
            at, Righted.None, at);
        if (deed.Refused is { } wrong)
        {
            _cells.Wrong(wrong.Problems[0].Wrong, wrong.Problems[0].WayOut);
            return;
        }

        var h = HarvestEntry.Of(deed.Value, bed.Id, null, _cells.Recorded(r.recorded_at));
        h.Bed = bed;
        harvests[r.entry] = h;
        if (!_known.Contains(BookKeys.Of(h)))
        {
            db.Harvests.Add(h);
            if (harvests.TryGetValue(r.corrects, out var old) && !_known.Contains(BookKeys.Of(old)))
            {
                _whenNumbered.Add(() => h.CorrectsId = old.Id);
            }
        }
    }

    private void Seen(BookRow r, Dictionary<string, Observation> seen)
    {
        var (at, bed) = (_cells.Past(r.at), _beds.GetValueOrDefault(r.bed));
        var deed = BookDeeds.Sight(r.note, true, at, Righted.None, at);
        if (deed.Refused is { } wrong)
        {
            _cells.Wrong(wrong.Problems[0].Wrong, wrong.Problems[0].WayOut);
            return;
        }

        var o = Observation.Of(deed.Value, bed?.Id, null, _cells.Recorded(r.recorded_at));
        o.Bed = bed;
        seen[r.entry] = o;
        if (!_known.Contains(BookKeys.Of(o)))
        {
            db.Observations.Add(o);
            if (seen.TryGetValue(r.corrects, out var old) && !_known.Contains(BookKeys.Of(old)))
            {
                _whenNumbered.Add(() => o.CorrectsId = old.Id);
            }
        }
    }

    /// <summary>What hangs on jobs and lots, when they are all there.</summary>
    private void Second(BookRow r, HashSet<string> newJobs)
    {
        switch (r.kind)
        {
            case "job" when newJobs.Contains(r.entry):
                db.Applications.Add(_jobs[r.entry]);
                if (r.corrects.Length > 0 && newJobs.Contains(r.corrects))
                {
                    var (right, wrong) = (_jobs[r.entry], _jobs[r.corrects]);
                    _whenNumbered.Add(() => right.CorrectsId = wrong.Id);
                }

                break;
            case "job-bed" when newJobs.Contains(r.entry):
                if (!_beds.TryGetValue(r.bed, out var bed))
                {
                    _cells.Wrong($"There is no bed “{r.bed}”.", "A line of kind bed comes first.");
                    break;
                }

                _jobs[r.entry].Beds.Add(new ApplicationBed {
                    Bed = bed, TeaL = _cells.Amount(r.brew_l),
                    TotalL = _cells.Amount(r.total_l)
                });
                break;
            case "job-item" when newJobs.Contains(r.entry):
                var item = new ApplicationItem {
                    Input = _inputOf.GetValueOrDefault((r.what, r.what_kind)), Name = r.what,
                    Kind = _cells.OneOf(r.what_kind, ["brew", .. Core.Shelf.InputKinds.All.Select(k => k.Kind)]),
                    Lot = BookCells.Text(r.lot), Amount = _cells.Amount(r.amount), Unit = _cells.Unit(r.unit)
                };
                _jobs[r.entry].Items.Add(item);
                if (r.lot.Length > 0 && _lotOf.TryGetValue((r.what, r.lot), out var lot))
                {
                    _whenNumbered.Add(() => item.LotId = lot.Id);
                }

                break;
            case "stock" when _lots.TryGetValue((r.what, r.place, r.lot), out var l) && !_old.Contains(l):
                Stock(r, l, newJobs);
                break;
            case "wash" when _sprayers.TryGetValue(r.tool, out var s) && !_known.Contains(BookKeys.Wash(_cells.Time(r.at), s.Id)):
                var wash = new SprayerWash {
                    At = _cells.Past(r.at), RecordedAt = _cells.Recorded(r.recorded_at),
                    Note = BookCells.Text(r.note)
                };
                if (newJobs.Contains(r.entry))
                {
                    _whenNumbered.Add(() => wash.ApplicationId = _jobs[r.entry].Id);
                }

                s.Washes.Add(wash);
                break;
        }
    }

    private void Stock(BookRow r, StockLot l, HashSet<string> newJobs)
    {
        var stock = new StockEntry {
            At = _cells.Past(r.at), RecordedAt = _cells.Recorded(r.recorded_at),
            Amount = _cells.Number(r.amount),
            Reason = _cells.One<StockReason>(r.why),
            Note = BookCells.Text(r.note)
        };
        l.Entries.Add(stock);
        if (newJobs.Contains(r.entry))
        {
            _whenNumbered.Add(() => stock.ApplicationId = _jobs[r.entry].Id);
        }
    }
}
