using Microsoft.EntityFrameworkCore;
using MudPie.Core.Judging.Trials;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Records.Judging;
using MudPie.Server.Brewing;
using MudPie.Server.Web;

namespace MudPie.Server.Judging;

/// <summary>The measuring sheet: plots in walking order by number and code, figures one at a time.</summary>
public static class SheetEndpoints
{
    /// <summary>What can be done.</summary>
    public static void MapSheets(this IEndpointRouteBuilder api)
    {
        api.MapGet("/judge/trials/{id:int}/sheet", Read).ForVisitor("A trial's sheet to measure by.");
        api.MapPost("/judge/trials/{id:int}/readings", Keep).ForHand("Keeps a figure of a plot, or puts it right.");
        api.MapPost("/judge/trials/{id:int}/plots/{plot:int}/photos", AddPhoto).ForHand("Keeps a picture of a plot.")
            .Accepts<byte[]>("image/jpeg", "image/png");
        api.MapGet("/judge/trials/{id:int}/qr.svg", Qr).ForVisitor("A code that opens the sheet on a telephone.");
    }

    private static async Task<Results<Ok<SheetView>, Missing>> Read(int id, HoldingDb db, TrialDesk desk)
    {
        if (await desk.Find(id) is not { } t)
        {
            return Problems.NotFound("trial");
        }

        var all = await db.TrialReadings.AsNoTracking().Where(r => r.TrialId == id).ToListAsync();
        var byId = all.ToDictionary(r => r.Id);
        var standing = all.ThatStand().ToList();
        var wrote = await db.Wrote(db.TrialReadings.Where(r => r.TrialId == id));
        return TypedResults.Ok(new SheetView(
            t.Id, t.Question, t.State, [.. t.Plots.Select(p => new SheetPlot(p.Id, p.Number, p.Code, p.Place, p.Block))],
            MeasureViews.Measures(t, [.. standing.Select(r => r.Dated())]),
            [.. standing.OrderBy(r => r.On).Select(r => new SheetReading(r.Id, r.PlotId, r.MeasureId, r.On, r.Value, r.OutOf, r.MissingWhy,
                r.KeptAnyway, Shown(r), [.. Before(r, byId)], wrote.Told(r.Id, r.RecordedAt)))]));
    }

    /// <summary>The figures that stood there before, newest first, each with why it was put right.</summary>
    private static IEnumerable<string> Before(TrialReading r, Dictionary<int, TrialReading> byId)
    {
        for (var now = r; now.CorrectsId is { } old && byId.TryGetValue(old, out var before); now = before)
        {
            yield return $"{Shown(before)}, put right: {now.CorrectionWhy}";
        }
    }

    private static string Shown(TrialReading r) => r.Figure().Shown;

    private static Task<Results<Written<Kept>, Refused, Clash>> Keep(int id, TrialReadingRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var trial = await db.Trials.AsNoTracking().Include(t => t.Measures).FirstOrDefaultAsync(t => t.Id == id);
        if (trial is null)
        {
            return Refusal.Of("id", "There is no such trial.", "Open it from the list.");
        }

        var measure = trial.Measures.FirstOrDefault(m => m.Id == r.MeasureId);
        var local = await clock.Local();
        var on = Day(r.On ?? local(r.At ?? clock.Now));
        var stands = await db.TrialReadings.ThatStand().FirstOrDefaultAsync(x => x.PlotId == r.PlotId && x.MeasureId == r.MeasureId
            && x.On == on);
        var deed = SheetDeeds.Measure(new SheetStands(trial.State, measure?.Measured(),
            await db.TrialPlots.AnyAsync(p => p.TrialId == id && p.Id == r.PlotId), on, Day(local(clock.Now)), clock.Now,
            stands?.Figure()), r.Value, r.MissingWhy, r.KeepAnyway, r.CorrectionWhy);
        if (deed.Refused is { } refused)
        {
            return refused;
        }

        if (deed.Value is not { } figure)
        {
            return Writes.Done(new Kept(stands!.Id)); // the same figure again, from another window: kept once
        }

        var kept = new TrialReading {
            TrialId = id, PlotId = r.PlotId!.Value, MeasureId = measure!.Id, On = on, RecordedAt = clock.Now, Value = figure.Value,
            OutOf = figure.OutOf, MissingWhy = figure.MissingWhy, KeptAnyway = figure.KeptAnyway, CorrectsId = stands?.Id,
            CorrectionWhy = stands is null ? null : r.CorrectionWhy!.Trim()
        };
        db.TrialReadings.Add(kept);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(kept.Id));
    });

    private static DateTimeOffset Day(DateTimeOffset at) => new(at.Year, at.Month, at.Day, 0, 0, 0, TimeSpan.Zero);

    private static async Task<Results<Written<Kept>, Refused, Clash>> AddPhoto(int id, int plot, HttpRequest request, HoldingDb db,
        HoldingClock clock, Writes writes, DateTimeOffset? at = null)
    {
        var (jpeg, wrong) = await SentPictures.ReadPicture(request);
        return jpeg is null ? Problems.Of(wrong!) : await writes.Do<Kept>(async () =>
        {
            if (!await db.TrialPlots.AnyAsync(p => p.TrialId == id && p.Id == plot))
            {
                return Refusal.Of("plotId", "That plot is not in this trial.", "Choose one from the sheet.");
            }

            var checks = new Checks();
            var taken = checks.Past("at", at, clock.Now);
            if (!checks.Sound)
            {
                return checks.Refusal;
            }

            var photo = new Photo { Jpeg = jpeg };
            db.Photos.Add(photo);
            await db.SaveChangesAsync();
            db.TrialPhotos.Add(new TrialPhoto { TrialId = id, PlotId = plot, At = taken, PhotoId = photo.Id });
            return Writes.Done(new Kept(photo.Id));
        });
    }

    private static ContentHttpResult Qr(int id, int? plot, HttpRequest request) =>
        QrCodes.To(request, $"/judge/trials/{id}/sheet{(plot is { } p ? $"?plot={p}" : "")}");
}
