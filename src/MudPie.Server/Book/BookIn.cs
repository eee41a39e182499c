using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using Microsoft.EntityFrameworkCore;
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
public sealed class BookIn(HoldingDb db)
{
    private readonly Checks _checks = new();
    private readonly Dictionary<string, Bed> _beds = [];
    private readonly Dictionary<string, Sprayer> _sprayers = [];
    private readonly Dictionary<(string, string), Input> _inputs = [];
    private readonly Dictionary<(string, string, string), StockLot> _lots = [];
    private readonly Dictionary<string, Application> _jobs = [];
    private readonly HashSet<string> _known = [];
    private readonly HashSet<StockLot> _old = [];
    private int _line;

    /// <summary>Reads the lines of a CSV.</summary>
    public static Ruling<List<BookRow>> Csv(string? text)
    {
        using var csv = new CsvReader(new StringReader((text ?? "").TrimStart('\uFEFF')), new CsvConfiguration(CultureInfo.InvariantCulture) { MissingFieldFound = null, HeaderValidated = null, BadDataFound = null });
        try
        {
            var rows = csv.GetRecords<BookRow>().Take(200_001).ToList();
            return rows.Count == 0 || rows.All(r => r.kind.Length == 0) ? Refusal.Of("file", "That is no book.", "Bring the CSV or JSON that the book gave out; its first column is kind.")
                : rows.Count > 200_000 ? Refusal.Of("file", "That is more than 200,000 lines.", "Split it by year.")
                : Worked.Of(rows, "", Evidence.MeasuredHere);
        }
        catch (CsvHelperException e)
        {
            return Refusal.Of("file", $"Line {e.Context?.Parser?.RawRow ?? 1} can't be read.", "Bring the file as the book gave it out.");
        }
    }

    /// <summary>Puts the lines in. To be called within a write.</summary>
    public async Task<Ruling<BookBrought>> Put(IReadOnlyList<BookRow> rows)
    {
        await Known();
        var counts = new Dictionary<string, int>();
        var harvests = new Dictionary<string, HarvestEntry>();
        var seen = new Dictionary<string, Observation>();
        var newJobs = new HashSet<string>();
        foreach (var row in rows)
        {
            _line++;
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
                    counts["lot"] = counts.GetValueOrDefault("lot") + (Lot(row) ? 1 : 0);
                    break;
                case "stock" or "job-bed" or "job-item" or "wash":
                    break;
                case "job":
                    if (Job(row))
                    {
                        newJobs.Add(row.entry);
                    }

                    break;
                case "harvest":
                    Harvest(row, harvests);
                    break;
                case "seen":
                    Seen(row, seen);
                    break;
                default:
                    _checks.Add($"line {_line + 1}", $"“{row.kind}” is no kind of line.", "See docs/formats/book.md.");
                    break;
            }

            if (!_checks.Sound)
            {
                return _checks.Refusal;
            }
        }

        _line = 0;
        foreach (var row in rows)
        {
            _line++;
            Second(row, newJobs);
            if (!_checks.Sound)
            {
                return _checks.Refusal;
            }
        }

        await db.SaveChangesAsync();
        foreach (var row in rows.Where(r => r is { kind: "stock", entry.Length: > 0 }))
        {
            // Jobs have their numbers now.
            if (newJobs.Contains(row.entry) && _lots.TryGetValue((row.what, row.place, row.lot), out var lot) && !_old.Contains(lot))
            {
                lot.Entries.First(e => e.ApplicationId == null && e.Amount == Number(row.amount) && e.At == Time(row.at) && e.Reason == row.why).ApplicationId = _jobs[row.entry].Id;
            }
        }

        await db.SaveChangesAsync();
        return Worked.Of(new BookBrought(newJobs.Count, harvests.Values.Count(h => !_known.Contains(Key(h))), seen.Values.Count(o => !_known.Contains(Key(o))), counts.GetValueOrDefault("lot"), _jobs.Count - newJobs.Count), "", Evidence.MeasuredHere);
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
            foreach (var l in i.Lots)
            {
                _lots[(i.Name, i.Lot ?? "", l.Mark)] = l;
                _old.Add(l);
            }
        }

        _known.UnionWith((await db.Harvests.AsNoTracking().ToListAsync()).Select(Key));
        _known.UnionWith((await db.Observations.AsNoTracking().ToListAsync()).Select(Key));
        _known.UnionWith((await db.Applications.AsNoTracking().Select(a => new { a.At, a.RecordedAt, a.Tool, a.Strikes, a.TeaL, a.WaterL }).ToListAsync()).Select(a => $"job {a.At.ToUnixTimeMilliseconds()} {a.RecordedAt.ToUnixTimeMilliseconds()} {a.Tool} {a.Strikes} {a.TeaL:R} {a.WaterL:R}"));
        _known.UnionWith((await db.Washes.AsNoTracking().Select(w => new { w.At, w.SprayerId }).ToListAsync()).Select(w => $"wash {w.At.ToUnixTimeMilliseconds()} {w.SprayerId}"));
    }

    private static string Key(HarvestEntry h) => $"harvest {h.At.ToUnixTimeMilliseconds()} {h.RecordedAt.ToUnixTimeMilliseconds()} {h.Kg:R} {h.Crop}";

    private static string Key(Observation o) => $"seen {o.At.ToUnixTimeMilliseconds()} {o.RecordedAt.ToUnixTimeMilliseconds()} {o.Text}";

    private void Bed(BookRow r)
    {
        if (_beds.ContainsKey(r.bed))
        {
            return;
        }

        var area = Number(r.area_m2);
        if (r.bed.Length is 0 or > 60 || !(area is >= 0.1 and <= 1_000_000))
        {
            _checks.Add($"line {_line + 1}", $"“{r.bed}” of {r.area_m2} m² is no bed.", "A name of up to 60 letters, and 0.1 to 1,000,000 m².");
            return;
        }

        _beds[r.bed] = new Bed { Name = r.bed, AreaM2 = area, AreaTyped = $"{r.area_m2} m²", Crop = r.crop, Growing = r.what_kind is "grass" or "perennial" or "tree" ? r.what_kind : "annual", Eaten = BookOut.EatenOf(r.note) };
        db.Beds.Add(_beds[r.bed]);
    }

    private void Sprayer(BookRow r)
    {
        if (_sprayers.ContainsKey(r.tool) || r.tool.Length is 0 or > 60)
        {
            return;
        }

        _sprayers[r.tool] = new Sprayer { Name = r.tool, Kind = r.what_kind, TankL = Number(r.tank_l), Past = r.note is "new" or "biology" or "fertiliser" or "poison" ? r.note : "unknown", ClearedWhy = r.why.Length > 0 ? r.why : null };
        db.Sprayers.Add(_sprayers[r.tool]);
    }

    private void Input(BookRow r)
    {
        if (_inputs.ContainsKey((r.what, r.place)) || r.what.Length is 0 or > 60)
        {
            return;
        }

        _inputs[(r.what, r.place)] = new Input { Name = r.what, Kind = r.what_kind, Lot = r.place.Length > 0 ? r.place : null, Unit = r.unit };
        db.Inputs.Add(_inputs[(r.what, r.place)]);
    }

    private bool Lot(BookRow r)
    {
        if (_lots.ContainsKey((r.what, r.place, r.lot)) || !_inputs.TryGetValue((r.what, r.place), out var input))
        {
            return false;
        }

        var lot = new StockLot { Input = input, Mark = r.lot, Origin = r.what_kind, From = Time(r.at), Expires = r.expires.Length > 0 ? Time(r.expires) : null, Place = Text(r.weather), KeptC = Maybe(r.kept_c), Paid = Maybe(r.paid), Minutes = Maybe(r.minutes), Notes = Text(r.note) };
        _lots[(r.what, r.place, r.lot)] = lot;
        db.Lots.Add(lot);
        return true;
    }

    private bool Job(BookRow r)
    {
        var job = new Application
        {
            At = Time(r.at),
            RecordedAt = Time(r.recorded_at),
            Purpose = r.purpose,
            Dilution = r.dilution,
            OneIn = Number(r.amount),
            TeaL = Number(r.brew_l),
            WaterL = Number(r.water_l),
            SpareL = Number(r.spare_l),
            Tool = r.tool,
            Sprayer = _sprayers.GetValueOrDefault(r.tool),
            TankL = Number(r.tank_l),
            Fitness = r.gate,
            Who = Text(r.who),
            Why = Text(r.why),
            Weather = Text(r.weather),
            FoodWaiting = Text(r.food_waiting),
            OverrideWhy = Text(r.override_why),
            MixWhy = Text(r.mix_why),
            CautionsSeen = r.cautions,
            CorrectionWhy = Text(r.correction_why),
            Strikes = r.struck == "yes",
        };
        var fresh = !_known.Contains($"job {job.At.ToUnixTimeMilliseconds()} {job.RecordedAt.ToUnixTimeMilliseconds()} {job.Tool} {job.Strikes} {job.TeaL:R} {job.WaterL:R}");
        _jobs[r.entry] = job;
        return fresh;
    }

    private void Harvest(BookRow r, Dictionary<string, HarvestEntry> harvests)
    {
        if (!_beds.TryGetValue(r.bed, out var bed))
        {
            _checks.Add($"line {_line + 1}", $"There is no bed “{r.bed}”.", "A line of kind bed comes first.");
            return;
        }

        var h = new HarvestEntry { Bed = bed, At = Time(r.at), RecordedAt = Time(r.recorded_at), Crop = r.crop, Kg = Number(r.amount), Note = Text(r.note) };
        harvests[r.entry] = h;
        if (!_known.Contains(Key(h)))
        {
            db.Harvests.Add(h);
            if (harvests.TryGetValue(r.corrects, out var old) && !_known.Contains(Key(old)))
            {
                db.SaveChanges();
                h.CorrectsId = old.Id;
            }
        }
    }

    private void Seen(BookRow r, Dictionary<string, Observation> seen)
    {
        var o = new Observation { Bed = _beds.GetValueOrDefault(r.bed), At = Time(r.at), RecordedAt = Time(r.recorded_at), Text = r.note };
        seen[r.entry] = o;
        if (!_known.Contains(Key(o)))
        {
            db.Observations.Add(o);
            if (seen.TryGetValue(r.corrects, out var old) && !_known.Contains(Key(old)))
            {
                db.SaveChanges();
                o.CorrectsId = old.Id;
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
                    db.SaveChanges();
                    _jobs[r.entry].CorrectsId = _jobs[r.corrects].Id;
                }

                break;
            case "job-bed" when newJobs.Contains(r.entry):
                if (!_beds.TryGetValue(r.bed, out var bed))
                {
                    _checks.Add($"line {_line + 1}", $"There is no bed “{r.bed}”.", "A line of kind bed comes first.");
                    break;
                }

                _jobs[r.entry].Beds.Add(new ApplicationBed { Bed = bed, TeaL = Number(r.brew_l), TotalL = Number(r.total_l) });
                break;
            case "job-item" when newJobs.Contains(r.entry):
                var input = _inputs.FirstOrDefault(i => i.Key.Item1 == r.what && i.Value.Kind == r.what_kind).Value;
                var lot = _lots.FirstOrDefault(l => l.Key.Item1 == r.what && l.Key.Item3 == r.lot).Value;
                if (lot is { Id: 0 })
                {
                    db.SaveChanges();
                }

                _jobs[r.entry].Items.Add(new ApplicationItem { Input = input, LotId = r.lot.Length > 0 ? lot?.Id : null, Name = r.what, Kind = r.what_kind, Lot = Text(r.lot), Amount = Number(r.amount), Unit = r.unit });
                break;
            case "stock" when _lots.TryGetValue((r.what, r.place, r.lot), out var l) && !_old.Contains(l):
                l.Entries.Add(new StockEntry { At = Time(r.at), RecordedAt = Time(r.recorded_at), Amount = Number(r.amount), Reason = r.why, Note = Text(r.note) });
                break;
            case "wash" when _sprayers.TryGetValue(r.tool, out var s) && !_known.Contains($"wash {Time(r.at).ToUnixTimeMilliseconds()} {s.Id}"):
                var wash = new SprayerWash { At = Time(r.at), RecordedAt = Time(r.recorded_at), Note = Text(r.note) };
                if (newJobs.Contains(r.entry))
                {
                    db.SaveChanges();
                    wash.ApplicationId = _jobs[r.entry].Id;
                }

                s.Washes.Add(wash);
                break;
        }
    }

    private static string? Text(string cell) => cell.Length > 0 ? cell : null;

    private double? Maybe(string cell) => cell.Length > 0 ? Number(cell) : null;

    private double Number(string cell)
    {
        if (cell.Length == 0)
        {
            return 0;
        }

        if (double.TryParse(cell, NumberStyles.Float, CultureInfo.InvariantCulture, out var value) && double.IsFinite(value) && Math.Abs(value) <= 1e12)
        {
            return value;
        }

        _checks.Add($"line {_line + 1}", $"“{(cell.Length > 20 ? cell[..20] : cell)}” is no number.", "Write numbers as 12.5.");
        return 0;
    }

    private DateTimeOffset Time(string cell)
    {
        if (DateTimeOffset.TryParse(cell, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal | DateTimeStyles.AdjustToUniversal, out var at) && at.Year is > 1950 and < 2200)
        {
            return at;
        }

        _checks.Add($"line {_line + 1}", $"“{(cell.Length > 30 ? cell[..30] : cell)}” is no time.", "Write times as 2026-05-01T06:30:00Z.");
        return DateTimeOffset.UnixEpoch;
    }
}
