using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Judging;
using MudPie.Server.Web;

namespace MudPie.Server.Judging;

/// <summary>Any tidy table, with its columns named.</summary>
public sealed record CsvTrialRequest
{
    public string? Csv { get; init; }

    public string? Question { get; init; }

    public string? Crop { get; init; }

    public string? Season { get; init; }

    public Design? Design { get; init; }

    /// <summary>Columns that were measured; the first is the main one.</summary>
    public IReadOnlyList<string>? Responses { get; init; }

    public IReadOnlyList<string>? Factors { get; init; }

    public string? Block { get; init; }

    public string? WholePlot { get; init; }

    public string? Control { get; init; }

    public string? OutOf { get; init; }

    public string? Unit { get; init; }

    public double? WorthHaving { get; init; }

    public bool LowerIsBetter { get; init; }

    public bool ByLot { get; init; }

    public bool Blind { get; init; }
}

/// <summary>A table, before its columns are named.</summary>
public sealed record CsvColumnView(string Name, bool Figures, IReadOnlyList<string> Levels, int Missing);

/// <summary>A table as text.</summary>
public sealed record CsvPreviewRequest(string? Csv);

/// <summary>Its columns.</summary>
public sealed record CsvPreview(int Rows, IReadOnlyList<CsvColumnView> Columns);

/// <summary>Trials out as files, and in again.</summary>
public static class TrialFileEndpoints
{
    private const int MostBytes = 5_000_000;

    /// <summary>What can be done.</summary>
    public static void MapTrialFiles(this IEndpointRouteBuilder api)
    {
        api.MapGet("/judge/trials/{id:int}/trial.zip", Out).ForVisitor("A trial as a data package.");
        api.MapPost("/judge/trials/file", In).ForHand("Brings a trial's package in.").Accepts<byte[]>("application/zip");
        api.MapPost("/judge/trials/csv/preview", Preview).ForVisitor("What a table of plots would bring.");
        api.MapPost("/judge/trials/csv", Csv).ForHand("Brings a trial in from a table of plots.");
    }

    private static async Task<Results<FileContentHttpResult, Refused, Missing>> Out(int id, HoldingDb db, TrialDesk desk)
    {
        if (await desk.Find(id) is not { } t)
        {
            return Problems.NotFound("trial");
        }

        if (t.Shut())
        {
            return Problems.Of(Refusal.Of("codes", "The codes are still shut.",
                "The file tells what each plot got: open the codes first."));
        }

        return TypedResults.File(await TrialFileOut.Zip(t, db), "application/zip", $"trial-{id}.zip");
    }

    private static async Task<Results<Written<Kept>, Refused, Clash>> In(HttpRequest request, HoldingDb db, HoldingClock clock,
        Writes writes)
    {
        if (request.ContentLength is null or 0 or > MostBytes)
        {
            return Problems.Of(Refusal.Of("file", request.ContentLength > MostBytes ? "That is more than 5 MB." : "There is nothing in it.",
                "Bring the zip of one trial."));
        }

        using var memory = new MemoryStream();
        await request.Body.CopyToAsync(memory);
        return await writes.Do<Kept>(() => Put(new TrialFileIn(clock.Now).Zip(memory.ToArray()), db));
    }

    private static Results<Ok<CsvPreview>, Refused> Preview(CsvPreviewRequest r) =>
        TidyCsv.Read(r.Csv).Match<Results<Ok<CsvPreview>, Refused>>(
        w => TypedResults.Ok(new CsvPreview(w.Value.Rows.Count,
            [.. w.Value.Headers.Select((h, c) => new CsvColumnView(h, w.Value.Numeric(c), [.. w.Value.Levels(c).Take(12)],
                w.Value.Rows.Count(x => TidyTable.Missing(x[c]))))])), no => Problems.Of(no));

    private static Task<Results<Written<Kept>, Refused, Clash>> Csv(CsvTrialRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(() => Put(new TrialFileIn(clock.Now).Table(r), db));

    private static async Task<Ruling<Kept>> Put(Ruling<(Trial Trial, List<TrialReading> Readings)> read, HoldingDb db)
    {
        if (read.Refused is { } refused)
        {
            return refused;
        }

        var (trial, readings) = read.Value;
        db.Trials.Add(trial);
        await db.SaveChangesAsync();
        var measures = trial.Measures.OrderBy(m => m.Order).ToList();
        foreach (var reading in readings)
        {
            (reading.TrialId, reading.MeasureId) = (trial.Id, measures[reading.MeasureId].Id);
            var corrects = reading.CorrectsId;
            reading.CorrectsId = corrects is { } index ? readings[index].Id : null;
            db.TrialReadings.Add(reading);
            if (readings.Any(x => x.CorrectsId is not null))
            {
                await db.SaveChangesAsync(); // what is put right must have its number first
            }
        }

        await db.SaveChangesAsync();
        return Writes.Done(new Kept(trial.Id));
    }
}
