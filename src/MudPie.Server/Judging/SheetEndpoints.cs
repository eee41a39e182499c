using System.Globalization;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Records.Judging;
using MudPie.Server.Brewing;
using MudPie.Server.Web;
using QRCoder;

namespace MudPie.Server.Judging;

/// <summary>The measuring sheet: plots in walking order by number and code, figures one at a time.</summary>
public static class SheetEndpoints
{
    /// <summary>What can be done.</summary>
    public static void MapSheets(this IEndpointRouteBuilder api)
    {
        api.MapGet("/judge/trials/{id:int}/sheet", Read).Produces<SheetView>().ProducesProblem(404);
        api.MapPost("/judge/trials/{id:int}/readings", Keep).Produces<Kept>().ProducesProblem(422);
        api.MapPost("/judge/trials/{id:int}/plots/{plot:int}/photos", AddPhoto).Accepts<byte[]>("image/jpeg", "image/png").Produces<Kept>()
            .ProducesProblem(422);
        api.MapGet("/judge/trials/{id:int}/qr.svg", Qr);
    }

    private static async Task<IResult> Read(int id, HoldingDb db, TrialDesk desk)
    {
        if (await desk.Find(id) is not { } t)
        {
            return Problems.NotFound("trial");
        }

        var all = await db.TrialReadings.AsNoTracking().Where(r => r.TrialId == id).ToListAsync();
        var byId = all.ToDictionary(r => r.Id);
        var standing = all.ThatStand().ToList();
        return TypedResults.Ok(new SheetView(
            t.Id, t.Question, t.State, [.. t.Plots.Select(p => new SheetPlot(p.Id, p.Number, p.Code, p.Place, p.Block))],
            TrialEndpoints.Measures(t, standing),
            [.. standing.OrderBy(r => r.On).Select(r => new SheetReading(r.Id, r.PlotId, r.MeasureId, r.On, r.Value, r.OutOf, r.MissingWhy,
                r.KeptAnyway, Shown(r), [.. Before(r, byId)]))]));
    }

    /// <summary>The figures that stood there before, newest first, each with why it was put right.</summary>
    private static IEnumerable<string> Before(TrialReading r, Dictionary<int, TrialReading> byId)
    {
        for (var now = r; now.CorrectsId is { } old && byId.TryGetValue(old, out var before); now = before)
        {
            yield return $"{Shown(before)}, put right: {now.CorrectionWhy}";
        }
    }

    private static string Shown(TrialReading r) => r.Value is { } v ? v.ToString("0.####", CultureInfo.InvariantCulture)
        + (r.OutOf is { } of ? $"/{of.ToString("0", CultureInfo.InvariantCulture)}" : "") : $"missing: {r.MissingWhy}";

    private static Task<IResult> Keep(int id, TrialReadingRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var trial = await db.Trials.AsNoTracking().Include(t => t.Measures).FirstOrDefaultAsync(t => t.Id == id);
        if (trial is null)
        {
            return Refusal.Of("id", "There is no such trial.", "Open it from the list.");
        }

        var checks = new Checks();
        var measure = trial.Measures.FirstOrDefault(m => m.Id == r.MeasureId);
        if (measure is null)
        {
            checks.Add("measureId", "That is not measured in this trial.", "Choose one from the sheet.");
        }

        if (!await db.TrialPlots.AnyAsync(p => p.TrialId == id && p.Id == r.PlotId))
        {
            checks.Add("plotId", "That plot is not in this trial.", "Choose one from the sheet.");
        }

        var local = await clock.Local();
        var on = Day(r.On ?? local(clock.Now));
        if (on > Day(local(clock.Now)).AddDays(1) || on < clock.Now.AddYears(-3))
        {
            checks.Add("on", on > clock.Now ? "That day has not come yet." : "That is more than three years ago.",
                "Give the day on which it was measured.");
        }

        if (trial.State == TrialState.Planned)
        {
            checks.Add("trial", "The trial has not begun.", "Start it first.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var read = Typed(r, measure!, checks);
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        var stands = await db.TrialReadings.ThatStand().FirstOrDefaultAsync(x => x.PlotId == r.PlotId && x.MeasureId == r.MeasureId
            && x.On == on);
        if (stands is not null && stands.Value == read.Value && stands.MissingWhy == read.MissingWhy && stands.OutOf == read.OutOf)
        {
            return Writes.Done(new Kept(stands.Id)); // the same figure again, from another window: kept once
        }

        if (stands is not null && string.IsNullOrWhiteSpace(r.CorrectionWhy))
        {
            return Refusal.Of("correctionWhy", $"{Shown(stands)} stands there already.",
                "Say what was wrong with it: the old figure stays readable.");
        }

        (read.TrialId, read.PlotId, read.MeasureId, read.On, read.RecordedAt) = (id, r.PlotId!.Value, measure!.Id, on, clock.Now);
        (read.CorrectsId, read.CorrectionWhy) = (stands?.Id, stands is null ? null : r.CorrectionWhy!.Trim());
        db.TrialReadings.Add(read);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(read.Id));
    });

    private static TrialReading Typed(TrialReadingRequest r, TrialMeasure m, Checks checks)
    {
        var typed = (r.Value ?? "").Trim();
        if (typed.Length == 0)
        {
            if (string.IsNullOrWhiteSpace(r.MissingWhy) || r.MissingWhy.Length > 200)
            {
                checks.Add("value", "Nothing was typed.", "Give a figure, or say in a few words why the plot is missing.");
            }

            return new TrialReading { MissingWhy = r.MissingWhy?.Trim() };
        }

        var parts = typed.Split('/', 2);
        if (Core.Measures.TypedNumber.Of(parts[0]) is { Other: { } thousand } two && (thousand <= m.High || r.KeepAnyway))
        {
            checks.Add(two.TwoWays("value", parts[0]));
            return new TrialReading();
        }

        if (!Number(parts[0], out var value) || (parts.Length == 2 && !Number(parts[1], out _)))
        {
            checks.Add("value", $"“{(typed.Length > 20 ? typed[..20] : typed)}” is no figure.", m.Kind == Scale.Count
                ? "Type it as 44, or 44/48 where the number sown differs." : "Type it as 3.16.");
            return new TrialReading();
        }

        double? outOf = m.Kind != Scale.Count ? null : parts.Length == 2 && Number(parts[1], out var of) ? of : m.OutOf;
        if (parts.Length == 2 && m.Kind != Scale.Count)
        {
            checks.Add("value", $"{m.Name} is not so many out of so many.", "Type one figure.");
        }
        else if (m.Kind == Scale.Count && !(value >= 0 && value == Math.Floor(value) && outOf >= 1 && value <= outOf))
        {
            checks.Add("value", $"{typed} out of {outOf:0} can’t be.", "Give whole numbers, and no more than were sown.");
        }
        else if ((value < m.Low || value > m.High) && !r.KeepAnyway)
        {
            checks.Add("keepAnyway",
                $"{Say.Number(value, 6)}{Say.Unit(m.Unit)} is {(value < m.Low ? "less" : "more")} than is likely for {m.Name}.",
                $"Likely is {Say.Number(m.Low)} to {Say.Number(m.High)}. If it is right, keep it anyway.");
        }

        return new TrialReading { Value = value, OutOf = outOf, KeptAnyway = r.KeepAnyway && (value < m.Low || value > m.High) };
    }

    private static bool Number(string typed, out double value)
    {
        var read = Core.Measures.TypedNumber.Of(typed);
        value = read.Value ?? 0;
        return read.Value is not null && Math.Abs(value) < 1e9;
    }

    private static DateTimeOffset Day(DateTimeOffset at) => new(at.Year, at.Month, at.Day, 0, 0, 0, TimeSpan.Zero);

    private static async Task<IResult> AddPhoto(int id, int plot, HttpRequest request, HoldingDb db, HoldingClock clock, Writes writes)
    {
        var (jpeg, wrong) = await BringEndpoints.ReadPicture(request);
        return jpeg is null ? Problems.Of(wrong!) : await writes.Do<Kept>(async () =>
        {
            if (!await db.TrialPlots.AnyAsync(p => p.TrialId == id && p.Id == plot))
            {
                return Refusal.Of("plotId", "That plot is not in this trial.", "Choose one from the sheet.");
            }

            var photo = new Photo { Jpeg = jpeg };
            db.Photos.Add(photo);
            await db.SaveChangesAsync();
            db.TrialPhotos.Add(new TrialPhoto { TrialId = id, PlotId = plot, At = clock.Now, PhotoId = photo.Id });
            return Writes.Done(new Kept(photo.Id));
        });
    }

    private static Microsoft.AspNetCore.Http.HttpResults.ContentHttpResult Qr(int id, int? plot, HttpRequest request)
    {
        using var data =
            QRCodeGenerator.GenerateQrCode(
                $"{request.Scheme}://{request.Host}/judge/trials/{id}/sheet{(plot is { } p ? $"?plot={p}" : "")}",
                QRCodeGenerator.ECCLevel.M);
        using var code = new SvgQRCode(data);
        return TypedResults.Text(code.GetGraphic(3, "#000000", "#ffffff"), "image/svg+xml");
    }
}
