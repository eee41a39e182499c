using System.IO.Compression;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Judging.Trials;
using MudPie.Records;
using MudPie.Records.Judging;
using MudPie.Server.Web;

namespace MudPie.Server.Judging;

/// <summary>A trial as one zip: data.csv (tidy), plots.csv (design and codes), and datapackage.json that describes them.</summary>
public static class TrialFileOut
{
    /// <summary>Columns of data.csv before the factors.</summary>
    public static readonly string[] DataHead = ["plot", "code", "block", "whole_plot"];

    /// <summary>Columns of data.csv after the factors. A figure that was put right stays, with reading and corrects to tell
    /// which.</summary>
    public static readonly string[] DataTail = ["measure", "unit", "day", "value", "out_of", "missing_why", "kept_anyway", "reading",
        "corrects", "correction_why"];

    /// <summary>Columns of plots.csv before the factors.</summary>
    public static readonly string[] PlotHead = ["plot", "code", "block", "whole_plot", "place", "x_m", "y_m", "length_m", "width_m"];

    private static readonly JsonSerializerOptions Pretty = new(Json.Options) { WriteIndented = true };

    /// <summary>The zip.</summary>
    public static async Task<byte[]> Zip(Trial t, HoldingDb db)
    {
        var readings = await db.TrialReadings.AsNoTracking().Where(r => r.TrialId == t.Id).OrderBy(r => r.Id).ToListAsync();
        var factors = t.Factors;
        using var memory = new MemoryStream();
        using (var zip = new ZipArchive(memory, ZipArchiveMode.Create, leaveOpen: true))
        {
            await Write(zip, "data.csv", Data(t, factors, readings));
            await Write(zip, "plots.csv",
                CsvText.Of([.. PlotHead, .. factors], t.Plots.OrderBy(p => p.Number)
                    .Select(p => (IReadOnlyList<string?>)[$"{p.Number}", p.Code, p.Block, p.WholePlot, p.Place, CsvText.Number(p.X),
                        CsvText.Number(p.Y), CsvText.Number(p.Length), CsvText.Number(p.Width), .. p.Treatment.Laid().Levels])));
            await Write(zip, "datapackage.json", JsonSerializer.Serialize(Describe(t, factors), Pretty));
        }

        return memory.ToArray();
    }

    private static string Data(Trial t, IReadOnlyList<string> factors, List<TrialReading> readings)
    {
        var (plots, measures) = (t.Plots.ToDictionary(p => p.Id), t.Measures.ToDictionary(m => m.Id));
        return CsvText.Of([.. DataHead, .. factors, .. DataTail], readings.Select(r =>
        {
            var (p, m) = (plots[r.PlotId], measures[r.MeasureId]);
            return (IReadOnlyList<string?>)[$"{p.Number}", p.Code, p.Block, p.WholePlot, .. p.Treatment.Laid().Levels, m.Name, m.Unit,
                r.On.ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture), CsvText.Number(r.Value),
                CsvText.Number(r.OutOf), r.MissingWhy, r.KeptAnyway ? "TRUE" : "FALSE", $"{r.Id}", r.CorrectsId is { } c ? $"{c}" : null,
                r.CorrectionWhy];
        }));
    }

    private static Task Write(ZipArchive zip, string name, string text)
    {
        using var writer = new StreamWriter(zip.CreateEntry(name).Open());
        writer.Write(text);
        return Task.CompletedTask;
    }

    /// <summary>A data-package description (Data Package standard), with the design under "trial".</summary>
    private static object Describe(Trial t, IReadOnlyList<string> factors)
    {
        object Field(string name, string type) => new { name, type };
        object Resource(string name, IEnumerable<(string Name, string Type)> fields) =>
            new {
                name, path = $"{name}.csv", format = "csv", mediatype = "text/csv", encoding = "utf-8",
                schema = new { fields = fields.Select(f => Field(f.Name, f.Type)), missingValues = new[] { "NA", "" } }
            };
        string Type(string column) => column switch {
            "plot" or "reading" or "corrects" => "integer",
            "value" or "out_of" or "x_m" or "y_m"
            or "length_m" or "width_m" => "number",
            "day" => "date",
            "kept_anyway" => "boolean",
            _ => "string"
        };
        return new {
            profile = "tabular-data-package",
            name = $"trial-{t.Id}",
            title = t.Question,
            resources = new[] { Resource("data", DataHead.Concat(factors).Concat(DataTail).Select(c => (c, Type(c)))),
                Resource("plots", PlotHead.Concat(factors).Select(c => (c, Type(c)))) },
            trial = new TrialPackage {
                Question = t.Question,
                Crop = t.Crop,
                Season = t.Season,
                Displaces = t.Displaces,
                Design = t.Design,
                Kind = t.Kind,
                Liquid = t.Liquid,
                Blind = t.Blind,
                ByLot = t.ByLot,
                Replicates = t.Replicates,
                Seed = t.Seed,
                WorthHaving = t.WorthHaving,
                NoControlWhy = t.NoControlWhy,
                NoWaterWhy = t.NoWaterWhy,
                StartedAt = t.StartedAt,
                EndedAt = t.EndedAt,
                Factors = factors,
                Places = t.Places,
                Treatments = [.. t.Treatments.OrderBy(x => x.Order)
                    .Select(x => new PackageTreatment(x.Laid().Levels, x.Role, x.RateTyped))],
                Measures = [.. t.Measures.OrderBy(m => m.Order)
                    .Select(m => new PackageMeasure(m.Name, m.Unit, m.Kind, m.Low, m.High, m.LowerIsBetter, m.OutOf, m.Dates.Word()))],
            },
        };
    }
}

/// <summary>The design, as it stands in datapackage.json under "trial".</summary>
public sealed record TrialPackage
{
    public string? Question { get; init; }

    public string? Crop { get; init; }

    public string? Season { get; init; }

    public string? Displaces { get; init; }

    public Design? Design { get; init; }

    public TrialKind? Kind { get; init; }

    public bool Liquid { get; init; }

    public bool Blind { get; init; }

    public bool ByLot { get; init; }

    public int Replicates { get; init; }

    public int Seed { get; init; }

    public double? WorthHaving { get; init; }

    public string? NoControlWhy { get; init; }

    public string? NoWaterWhy { get; init; }

    public DateTimeOffset? StartedAt { get; init; }

    public DateTimeOffset? EndedAt { get; init; }

    public IReadOnlyList<string> Factors { get; init; } = [];

    public IReadOnlyList<LayoutPlace> Places { get; init; } = [];

    public IReadOnlyList<PackageTreatment> Treatments { get; init; } = [];

    public IReadOnlyList<PackageMeasure> Measures { get; init; } = [];
}

/// <summary>A treatment in the package.</summary>
public sealed record PackageTreatment(IReadOnlyList<string> Levels, TrialRole Role, string? Rate);

/// <summary>A measure in the package.</summary>
public sealed record PackageMeasure(string Name, string Unit, Scale Kind, double Low, double High, bool LowerIsBetter, double? OutOf,
    string Dates);
