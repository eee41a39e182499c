using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Book;
using MudPie.Records;
using MudPie.Records.PuttingOut;
using MudPie.Server.Lots;

namespace MudPie.Server.Book;

/// <summary>The whole book as lines, in an order and with names that do not hang on the file's own numbers, so that it comes back the
/// same.</summary>
public static class BookOut
{
    private static string N(double? value) => value?.ToString("R", CultureInfo.InvariantCulture) ?? "";

    /// <summary>Whether and how a bed's crop is eaten, as the file says it.</summary>
    internal static string EatenWord(Eaten eaten) => eaten switch {
        Eaten.Touches => "eaten, touches the soil",
        Eaten.Clear =>
        "eaten, clear of the soil",
        Eaten.Grazed => "grazed",
        _ => "not eaten"
    };

    /// <summary>The same read back; the words of an older file too. Nothing said is taken for not eaten, as older files meant it.</summary>
    internal static Eaten EatenOf(string word) => word switch {
        "eaten, touches the soil" or "eaten raw" => Eaten.Touches,
        "eaten, clear of the soil" => Eaten.Clear,
        "grazed" => Eaten.Grazed,
        _ => Eaten.Nothing
    };

    private static string T(DateTimeOffset? at) =>
        at?.UtcDateTime.ToString("yyyy-MM-dd'T'HH:mm:ss.fff'Z'", CultureInfo.InvariantCulture) ?? "";

    /// <summary>All lines.</summary>
    public static async Task<List<BookRow>> Rows(HoldingDb db)
    {
        var rows = new List<BookRow>();
        var beds = await db.Beds.AsNoTracking().OrderBy(b => b.Name).ToListAsync();
        var names = beds.ToDictionary(b => b.Id, b => b.Name);
        rows.AddRange(beds.Select(b => new BookRow {
            kind = "bed", bed = b.Name, area_m2 = N(b.AreaM2), crop = b.Crop,
            what_kind = b.Growing, note = EatenWord(b.Eaten)
        }));
        var sprayers = await db.Sprayers.AsNoTracking().Include(s => s.Washes).OrderBy(s => s.Name).ToListAsync();
        rows.AddRange(sprayers.Select(s => new BookRow {
            kind = "sprayer", tool = s.Name, what_kind = s.Kind, tank_l = N(s.TankL),
            note = s.Past, why = s.ClearedWhy ?? ""
        }));
        var jobs = await db.Applications.AsNoTracking().AsSplitQuery().Include(a => a.Beds).Include(a => a.Items).Include(a => a.Batch)
            .OrderBy(a => a.RecordedAt).ThenBy(a => a.At).ThenBy(a => a.Id).ToListAsync();
        var entry = jobs.Select((j, i) => (j.Id, Name: $"job-{i + 1}")).ToDictionary(x => x.Id, x => x.Name);
        await Stock(db, rows, entry);
        foreach (var j in jobs)
        {
            Job(j, rows, entry, names);
        }

        rows.AddRange(sprayers.SelectMany(s => s.Washes.OrderBy(w => w.At)
            .Select(w => new BookRow {
                kind = "wash", tool = s.Name, at = T(w.At), recorded_at = T(w.RecordedAt),
                entry = w.ApplicationId is { } a ? entry[a] : "", note = w.Note ?? ""
            })));
        var harvests = await db.Harvests.AsNoTracking().OrderBy(h => h.RecordedAt).ThenBy(h => h.At).ThenBy(h => h.Id).ToListAsync();
        var picked = harvests.Select((h, i) => (h.Id, Name: $"harvest-{i + 1}")).ToDictionary(x => x.Id, x => x.Name);
        rows.AddRange(harvests.Select(h => new BookRow {
            kind = "harvest", entry = picked[h.Id], at = T(h.At),
            recorded_at = T(h.RecordedAt), bed = names[h.BedId], crop = h.Crop, amount = N(h.Kg), unit = "kg", note = h.Note ?? "",
            corrects = h.CorrectsId is { } c ? picked[c] : ""
        }));
        var seen = await db.Observations.AsNoTracking().OrderBy(o => o.RecordedAt).ThenBy(o => o.At).ThenBy(o => o.Id).ToListAsync();
        var saw = seen.Select((o, i) => (o.Id, Name: $"seen-{i + 1}")).ToDictionary(x => x.Id, x => x.Name);
        rows.AddRange(seen.Select(o => new BookRow {
            kind = "seen", entry = saw[o.Id], at = T(o.At), recorded_at = T(o.RecordedAt),
            bed = o.BedId is { } b ? names[b] : "", note = o.Text, corrects = o.CorrectsId is { } c ? saw[c] : ""
        }));
        return rows;
    }

    private static async Task Stock(HoldingDb db, List<BookRow> rows, Dictionary<int, string> entry)
    {
        var inputs = await db.Inputs.AsNoTracking().AsSplitQuery().Include(i => i.Lots).ThenInclude(l => l.Entries)
            .Where(i => i.Lots.Count > 0).ToListAsync();
        var batches = await db.Batches.AsNoTracking().Select(b => new { b.Id, b.Name }).ToDictionaryAsync(b => b.Id, b => b.Name);
        foreach (var i in inputs.OrderBy(i => i.Name).ThenBy(i => i.Lot))
        {
            var unit = StockKeeper.UnitOf(i);
            rows.Add(new BookRow { kind = "input", what = i.Name, what_kind = i.Kind, place = i.Lot ?? "", unit = unit });
            foreach (var l in i.Lots.OrderBy(l => l.Mark))
            {
                rows.Add(new BookRow {
                    kind = "lot", what = i.Name, place = i.Lot ?? "", lot = l.Mark, what_kind = l.Origin.Word(), at = T(l.From),
                    expires = T(l.Expires), weather = l.Place ?? "", kept_c = N(l.KeptC), paid = N(l.Paid), minutes = N(l.Minutes),
                    note = l.Notes ?? ""
                });
                rows.AddRange(l.Entries.OrderBy(e => e.RecordedAt).ThenBy(e => e.At).ThenBy(e => e.Amount).Select(e => new BookRow {
                    kind = "stock",
                    what = i.Name,
                    place = i.Lot ?? "",
                    lot = l.Mark,
                    at = T(e.At),
                    recorded_at = T(e.RecordedAt),
                    amount = N(e.Amount),
                    unit = unit,
                    why = e.Reason.Word(),
                    entry = e.ApplicationId is { } a ? entry.GetValueOrDefault(a, "") : "",
                    note = e.Note ?? (e.BatchId is { } b ? batches[b] : ""),
                }));
            }
        }
    }

    private static void Job(Application j, List<BookRow> rows, Dictionary<int, string> entry, Dictionary<int, string> names)
    {
        rows.Add(new BookRow {
            kind = "job",
            entry = entry[j.Id],
            at = T(j.At),
            recorded_at = T(j.RecordedAt),
            what_kind = j.Solid ? "solid" : "",
            purpose = j.Purpose.Word(),
            dilution = j.Dilution,
            amount = N(j.OneIn),
            brew_l = N(j.TeaL),
            water_l = N(j.WaterL),
            spare_l = N(j.SpareL),
            tool = j.Tool,
            tank_l = N(j.TankL),
            gate = j.Fitness,
            who = j.Who ?? "",
            why = j.Why ?? "",
            weather = j.Weather ?? "",
            food_waiting = j.FoodWaiting ?? "",
            override_why = j.OverrideWhy ?? "",
            mix_why = j.MixWhy ?? "",
            cautions = j.CautionsSeen,
            corrects = j.CorrectsId is { } c ? entry[c] : "",
            correction_why = j.CorrectionWhy ?? "",
            struck = j.Strikes ? "yes" : "",
        });
        rows.AddRange(j.Beds.OrderBy(b => names[b.BedId])
            .Select(b => new BookRow {
                kind = "job-bed", entry = entry[j.Id], bed = names[b.BedId], brew_l = N(b.TeaL),
                total_l = N(b.TotalL)
            }));
        if (j.Batch is not null && !j.Items.Any(i => i.Kind == "brew"))
        {
            rows.Add(new BookRow {
                kind = "job-item", entry = entry[j.Id], what = j.Batch.Name, what_kind = "brew", amount = N(j.TeaL),
                unit = "L"
            });
        }

        rows.AddRange(j.Items.OrderBy(i => i.Kind == "brew" ? 0 : 1).ThenBy(i => i.Name).ThenBy(i => i.Lot)
            .Select(i => new BookRow {
                kind = "job-item", entry = entry[j.Id], what = i.Name, what_kind = i.Kind, lot = i.Lot ?? "",
                amount = N(i.Amount), unit = i.Unit
            }));
    }

    /// <summary>As CSV.</summary>
    public static string Csv(IEnumerable<BookRow> rows)
    {
        using var writer = new StringWriter(CultureInfo.InvariantCulture);
        using var csv = new CsvWriter(writer,
            new CsvConfiguration(CultureInfo.InvariantCulture) { NewLine = "\n", ShouldQuote = SafeCells.Quotes });
        csv.Context.TypeConverterCache.AddConverter<string>(new SafeCells());
        csv.WriteRecords(rows);
        csv.Flush();
        return writer.ToString();
    }
}
