using System.Globalization;
using System.IO.Compression;
using System.Text.Json;
using MudPie.Core.Judging.Trials;
using MudPie.Core.Workings;
using MudPie.Records.Judging;
using MudPie.Server.Web;

namespace MudPie.Server.Judging;

/// <summary>Reads a trial's zip, or any tidy CSV with its columns named, into a new trial. All or nothing.</summary>
public sealed class TrialFileIn(DateTimeOffset now)
{
    private const long MostUnpacked = 20_000_000;

    /// <summary>The trial in a zip that Mud Pie gave out.</summary>
    public Ruling<(Trial Trial, List<TrialReading> Readings)> Zip(byte[] bytes)
    {
        try
        {
            using var zip = new ZipArchive(new MemoryStream(bytes));
            if (zip.Entries.Count > 20 || zip.Entries.Sum(e => e.Length) > MostUnpacked)
            {
                return Refusal.Of("file", "It unpacks to more than 20 MB.", "Bring the zip as Mud Pie gave it out.");
            }

            var (package, data, plots) = (Text(zip, "datapackage.json"), Text(zip, "data.csv"), Text(zip, "plots.csv"));
            if (package is null || data is null || plots is null)
            {
                return Refusal.Of("file", "It lacks datapackage.json, data.csv or plots.csv.",
                    "Bring the zip as Mud Pie gave it out; for a bare table use “any CSV”.");
            }

            using var json = JsonDocument.Parse(package);
            return json.RootElement.ValueKind == JsonValueKind.Object && json.RootElement.TryGetProperty("trial", out var design)
                && design.Deserialize<TrialPackage>(Json.Options) is { } told && Sound(told) is { } trial
                ? Fill(trial, told, data, plots)
                : Refusal.Of("file", "Its datapackage.json does not describe a trial.", "Bring the zip as Mud Pie gave it out.");
        }
        catch (Exception e) when (e is InvalidDataException or JsonException or IOException)
        {
            return Refusal.Of("file", "That is no zip of a trial that can be read.", "Bring the zip as Mud Pie gave it out.");
        }
    }

    private static string? Text(ZipArchive zip, string name)
    {
        if (zip.GetEntry(name) is not { } entry)
        {
            return null;
        }

        // A zip may lie about its sizes: no more is unpacked than is allowed.
        using var reader = new StreamReader(entry.Open());
        var (text, buffer) = (new System.Text.StringBuilder(), new char[8192]);
        for (int read; (read = reader.Read(buffer)) > 0;)
        {
            if (text.Append(buffer, 0, read).Length > MostUnpacked)
            {
                throw new InvalidDataException("It unpacks to more than is allowed.");
            }
        }

        return text.ToString();
    }

    private Trial? Sound(TrialPackage p)
    {
        if (p.Question is not { Length: > 0 and <= 200 } || p.Crop is not { Length: > 0 and <= 60 } || p.Design is null or Design.Paired
            || p.Kind is null || p.Factors.Count is 0 or > 5
            || p.Treatments.Count is < 2 or > 40 || p.Treatments.Any(t => t.Levels.Count != p.Factors.Count)
            || p.Measures.Count is 0 or > 12)
        {
            return null;
        }

        var trial = new Trial {
            Question = p.Question,
            Crop = p.Crop,
            Season = p.Season ?? "",
            Displaces = p.Displaces,
            Design = p.Design.Value,
            Kind = p.Kind.Value,
            Liquid = p.Liquid,
            Blind = p.Blind,
            ByLot = p.ByLot,
            Replicates = Math.Clamp(p.Replicates, 1, 40),
            Seed = p.Seed,
            WorthHaving = p.WorthHaving > 0 ? p.WorthHaving : null,
            NoControlWhy = p.NoControlWhy,
            NoWaterWhy = p.NoWaterWhy,
            Factors = p.Factors,
            Places = p.Places,
            CreatedAt = now,
            StartedAt = p.StartedAt,
            EndedAt = p.EndedAt,
            State = p.EndedAt is not null ? TrialState.Ended : p.StartedAt is not null ? TrialState.Growing : TrialState.Planned,
        };
        trial.Treatments.AddRange(p.Treatments.Select((t, i) => new TrialTreatment {
            Order = i, Name = string.Join(", ", t.Levels),
            Levels = [.. p.Factors.Zip(t.Levels, (f, l) => new FactorLevel(f, l))], Role = t.Role, RateTyped = t.Rate
        }));
        trial.Measures.AddRange(p.Measures.Select((m, i) => new TrialMeasure {
            Order = i, Name = m.Name, Unit = m.Unit, Kind = m.Kind,
            Low = m.Low, High = m.High, LowerIsBetter = m.LowerIsBetter, OutOf = m.OutOf,
            Dates = Words.Read<DatesTo>(m.Dates) ?? DatesTo.Last
        }));
        trial.Events.Add(new TrialEvent { At = now, Kind = "brought", Text = "Brought from a file." });
        return trial;
    }

    private static Ruling<(Trial, List<TrialReading>)> Fill(Trial trial, TrialPackage package, string dataCsv, string plotsCsv)
    {
        var plots = TidyCsv.Read(plotsCsv, "plots.csv");
        if (plots.Refused is { } unread)
        {
            return unread;
        }

        foreach (var (row, i) in plots.Value.Rows.Select((r, i) => (r, i)))
        {
            string? At(string column) => plots.Value.Column(column) is >= 0 and var c && !TidyTable.Missing(row[c]) ? row[c] : null;
            double Metres(string column) => TidyTable.Number(At(column) ?? "") ?? 0;
            var name = string.Join(", ", package.Factors.Select(f => At(f) ?? ""));
            if (trial.Treatments.FirstOrDefault(t => t.Name == name) is not { } treatment || !int.TryParse(At("plot"), out var number)
                || trial.Plots.Any(p => p.Number == number))
            {
                return Refusal.Of($"plots.csv line {i + 2}", "Its plot or treatment is not one that the trial knows.",
                    "Each plot has a number of its own and a treatment of the design.");
            }

            trial.Plots.Add(new TrialPlot {
                Number = number, Code = At("code") ?? $"{number}", Treatment = treatment, Block = At("block"),
                WholePlot = At("whole_plot"), Place = At("place") ?? "", X = Metres("x_m"), Y = Metres("y_m"), Length = Metres("length_m"),
                Width = Metres("width_m")
            });
        }

        return Readings(trial, dataCsv);
    }

    private static Ruling<(Trial, List<TrialReading>)> Readings(Trial trial, string dataCsv)
    {
        var readings = new List<TrialReading>();
        if (dataCsv.Trim().Split('\n').Length < 2)
        {
            return Done(trial, readings);
        }

        var data = TidyCsv.Read(dataCsv, "data.csv");
        if (data.Refused is { } unread)
        {
            return unread;
        }

        var byNumber = new Dictionary<string, TrialReading>();
        foreach (var (row, i) in data.Value.Rows.Select((r, i) => (r, i)))
        {
            string? At(string column) => data.Value.Column(column) is >= 0 and var c && !TidyTable.Missing(row[c]) ? row[c] : null;
            var plot = trial.Plots.FirstOrDefault(p => $"{p.Number}" == At("plot"));
            var measure = trial.Measures.FirstOrDefault(m => m.Name == At("measure") && m.Unit == (At("unit") ?? ""));
            if (plot is null || measure is null || !DateTime.TryParseExact(At("day"), "yyyy-MM-dd", CultureInfo.InvariantCulture,
                DateTimeStyles.None, out var day))
            {
                return Refusal.Of($"data.csv line {i + 2}", "Its plot, measure or day is not one that the trial knows.",
                    "Write days as 2026-07-18, and keep plots and measures as they are.");
            }

            var figure = PlotFigure.Of(measure.Measured(), At("value") is { } v ? TidyTable.Number(v) : null,
                At("out_of") is { } o ? TidyTable.Number(o) : null, At("missing_why"));
            if (figure.Refused is { } refused)
            {
                return Refusal.Of($"data.csv line {i + 2}", refused.Problems[0].Wrong, refused.Problems[0].WayOut);
            }

            var reading = new TrialReading {
                Plot = plot,
                On = new DateTimeOffset(day, TimeSpan.Zero),
                RecordedAt = new DateTimeOffset(day, TimeSpan.Zero),
                Value = figure.Value.Value,
                OutOf = figure.Value.OutOf,
                MissingWhy = figure.Value.MissingWhy,
                KeptAnyway = At("kept_anyway") == "TRUE",
                CorrectionWhy = At("correction_why"),
                MeasureId = measure.Order,
                CorrectsId = At("corrects") is { } c && byNumber.TryGetValue(c, out var old) ? readings.IndexOf(old) : null,
            };
            byNumber[At("reading") ?? $"line {i}"] = reading;
            readings.Add(reading);
        }

        return Done(trial, readings);
    }

    private static Worked<(Trial, List<TrialReading>)> Done(Trial trial, List<TrialReading> readings) =>
        Worked.Of((trial, readings), "", Evidence.MeasuredHere);

    /// <summary>Any tidy table, its columns named by the grower.</summary>
    public Ruling<(Trial Trial, List<TrialReading> Readings)> Table(CsvTrialRequest r)
    {
        var table = TidyCsv.Read(r.Csv);
        if (table.Refused is { } unread)
        {
            return unread;
        }

        var asked = new TrialAnalysisQuestion {
            Csv = r.Csv, Response = r.Responses?.FirstOrDefault(), Design = r.Design,
            Factors = r.Factors, Block = r.Block, WholePlot = r.WholePlot, Control = r.Control, OutOf = r.OutOf
        }.Read();
        if (asked.Refused is { } refused)
        {
            return refused;
        }

        var told = TrialAnalysis.Of(asked.Value);
        if (told.Refused is { } wrong)
        {
            return wrong;
        }

        var q = TrialAnalysis.OneSpelling(asked.Value);
        var factors = q.Factors;
        var names = q.Rows.Select(x => string.Join(", ", x.Levels)).Distinct().ToList();
        var control = told.Value.Dunnett[0].Against;
        // Crossed, the verdict may be over one factor alone: all that have its control level are controls.
        bool Control(IReadOnlyList<string> levels) => names.Contains(control) ? string.Join(", ", levels) == control
            : levels.Contains(control);
        var package = new TrialPackage {
            Question = (r.Question ?? "").Trim(),
            Crop = (r.Crop ?? "").Trim(),
            Season = r.Season,
            Design = q.Design == Design.Paired ? Design.Pair : q.Design,
            Kind = TrialKind.Beds,
            ByLot = r.ByLot,
            Blind = r.Blind,
            StartedAt = now,
            EndedAt = now,
            Factors = factors,
            Replicates = Math.Max(1, q.Rows.Count / names.Count),
            WorthHaving = r.WorthHaving,
            Treatments = [.. q.Rows.Select(x => x.Levels).DistinctBy(l => string.Join(", ", l))
                .Select(l => new PackageTreatment(l, Control(l) ? TrialRole.Control : TrialRole.Treatment, null))],
            Measures = [.. (r.Responses ?? []).Select(x => new PackageMeasure(x, r.Unit ?? "", r.OutOf is null ? Scale.Amount : Scale.Count,
                -1e9, 1e9, r.LowerIsBetter, null, "last"))],
        };
        if (Sound(package) is not { } trial)
        {
            return Refusal.Of("question", "The trial has no question or no crop, or more than the bench can hold.",
                "Ask it in one sentence, name the crop, and choose 1 to 12 columns that were measured.");
        }

        trial.Plots.AddRange(q.Rows.Select((row, i) => new TrialPlot {
            Number = i + 1, Code = $"{i + 1}",
            Treatment = trial.Treatments.First(t => t.Name == string.Join(", ", row.Levels)), Block = row.Block, WholePlot = row.WholePlot,
            Place = "from a file", X = i, Y = 0, Length = 1, Width = 1
        }));
        return Columns(trial, table.Value, r);
    }

    private Ruling<(Trial, List<TrialReading>)> Columns(Trial trial, TidyTable table, CsvTrialRequest r)
    {
        var readings = new List<TrialReading>();
        foreach (var (name, order) in r.Responses!.Select((n, i) => (n, i)))
        {
            var (column, outOf) = (table.Column(name), table.Column(r.OutOf));
            if (column < 0 || table.Rows.Any(row => !TidyTable.Missing(row[column]) && TidyTable.Number(row[column]) is null))
            {
                return Refusal.Of($"responses[{order}]", column < 0 ? $"There is no column “{name}”." : $"Column “{name}” holds text.",
                    "Choose columns of figures, with NA where a plot is missing.");
            }

            readings.AddRange(table.Rows.Select((row, i) => new TrialReading {
                Plot = trial.Plots[i], MeasureId = order,
                On = new DateTimeOffset(now.Date, TimeSpan.Zero), RecordedAt = now, Value = TidyTable.Missing(row[column])
                    ? null : TidyTable.Number(row[column]), MissingWhy = TidyTable.Missing(row[column]) ? "NA in the file" : null,
                OutOf = outOf < 0 ? null : TidyTable.Number(row[outOf])
            }));
        }

        return Done(trial, readings);
    }
}
