using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Records.Ground;
using MudPie.Server.Web;

namespace MudPie.Server.Brewing;

/// <summary>So much of one water.</summary>
public sealed record WaterPour(int WaterId, string? Amount);

/// <summary>Waters poured together.</summary>
public sealed record WaterRequestMix(IReadOnlyList<WaterPour> Pours);

/// <summary>A way of clearing, as it is shown.</summary>
public sealed record WayView(ClearingWay Way, string AmountShown, string TimeShown, string CostShown);

/// <summary>The mix as it is shown.</summary>
public sealed record WaterMixView(WaterBenchAnswer Mix, string TotalShown, IReadOnlyList<WayView> Ways);

/// <summary>A strip in the log.</summary>
public sealed record StripView(int Id, string Water, DateTimeOffset At, double MgPerL, int? PhotoId);

/// <summary>A test of a water for gut germs, as typed.</summary>
public sealed record WaterTestRequest(string? EColi, string? By, DateTimeOffset? At);

/// <summary>A test that was kept.</summary>
public sealed record WaterTestView(int Id, int WaterId, string Water, DateTimeOffset At, double EColiPer100Ml, string By, string Says);

/// <summary>The water bench.</summary>
public static class WaterEndpoints
{
    /// <summary>What can be asked and done.</summary>
    public static void MapWater(this IEndpointRouteBuilder api)
    {
        api.MapPost("/brew/water/work-out", WorkOut).ForVisitor("A water made ready: chlorine cleared, waters mixed.");
        api.MapGet("/brew/water/tests", ReadTests).ForVisitor("Tests of waters.");
        api.MapPost("/brew/water/{id:int}/tests", KeepTest).ForHand("Keeps a test of a water.");
        api.MapGet("/brew/water/strips", Strips).ForVisitor("Strips read, newest first.");
        api.MapPost("/brew/water/strips/{id:int}/photo", AddPhoto).ForHand("Keeps a picture of a strip.")
            .Accepts<byte[]>("image/jpeg", "image/png");
    }

    private static async Task<Results<Ok<Worked<WaterMixView>>, Refused>> WorkOut(WaterRequestMix r, HoldingDb db, HoldingClock clock)
    {
        var units = await clock.Units();
        var fields = new TypedFields(units);
        var waters = await db.Waters.AsNoTracking()
            .Select(w => new {
                w.Id, w.Name, w.Kind, w.Chloramine, Strip = w.Strips.OrderByDescending(s => s.At).ThenByDescending(s => s.Id)
                .Select(s => (double?)s.MgPerL).FirstOrDefault()
            }).ToDictionaryAsync(w => w.Id);
        var parts = new List<WaterPart>();
        for (var i = 0; i < r.Pours.Count; i++)
        {
            if (!waters.TryGetValue(r.Pours[i].WaterId, out var water))
            {
                fields.Checks.Add($"pours[{i}].waterId", "There is no such water.", "Choose from the list.");
                continue;
            }

            parts.Add(new WaterPart {
                Name = water.Name, Kind = water.Kind, Chloramine = water.Chloramine, ChlorineMgPerL = water.Strip,
                Litres = fields.Quantity($"pours[{i}].amount", r.Pours[i].Amount, Dimension.Volume, 0.1, 10_000)
            });
        }

        return fields.Checks.Sound
            ? Problems.Answer(WaterBench.Of(parts, await Prices(db), units)
                .Match<Ruling<WaterMixView>>(w => w.With(View(w.Value, units), w.Unit), x => x))
            : Problems.Of(fields.Checks.Refusal);
    }

    private static WaterMixView View(WaterBenchAnswer mix, UnitSystem units) => new(
        mix, Units.Show(mix.TotalL, Dimension.Volume, units),
        [.. mix.Ways.Select(w => new WayView(
            w,
            w.Amount is not { } a ? "nothing to add" : a == 0 ? "nothing to clear" : w.Unit == "mg" ? Units.Show(a / 1000, Dimension.Mass,
                units) : $"{Units.Show(a / 1000, Dimension.Volume, units)} · {Spoons.InTools(new Litres(a / 1000), units).Text}",
            w.MinutesAtMost == w.Minutes ? Say.Minutes(w.Minutes) : $"{Say.Minutes(w.Minutes)} to {Say.Minutes(w.MinutesAtMost)}",
            w.Cost switch { null => "not known", 0 => "nothing", { } c => c < 0.01 ? $"under {Say.Money(0.01)}" : Say.Money(c) }))]);

    /// <summary>Price per mg or mL of what the shelf has for clearing.</summary>
    private static async Task<Dictionary<string, double>> Prices(HoldingDb db)
    {
        var shelf = await db.Inputs.AsNoTracking().Where(i => i.Price != null && i.UnfitWhy == null).Select(i => new { i.Kind, i.Price })
            .ToListAsync();
        var prices = new Dictionary<string, double>();
        foreach (var i in shelf)
        {
            // Powders by the kilogram (1e6 mg; citric is measured by volume, about 0.9 kg per litre), liquids by the litre.
            (string Way, double Per)? way = i.Kind switch {
                "ascorbicAcid" => ("ascorbic", 1e6),
                "thiosulfate" => ("thiosulfate", 1e6),
                "citricAcid" => ("citric", 1000 / 0.9),
                "humicLiquid" => ("humic", 1000),
                _ => null
            };
            if (way is { } w)
            {
                prices[w.Way] = i.Price!.Value / w.Per;
            }
        }

        return prices;
    }

    private static async Task<Ok<List<WaterTestView>>> ReadTests(HoldingDb db, HoldingClock clock) => TypedResults.Ok(
        (await (from t in db.WaterTests.AsNoTracking()
                join w in db.Waters on t.WaterSourceId equals w.Id
                orderby t.At descending,
            t.Id descending
                select new { t, w.Name }).Take(40).ToListAsync())
            .Select(x => new WaterTestView(x.t.Id, x.t.WaterSourceId, x.Name, x.t.At, x.t.EColiPer100Ml, x.t.By,
                WaterTests.Wrong(x.t.EColiPer100Ml, x.t.At, clock.Now)?.Wrong ?? "It lets this water in.")).ToList());

    private static Task<Results<Written<Kept>, Refused, Clash>> KeepTest(int id, WaterTestRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var test = new WaterTest {
            WaterSourceId = id,
            At = fields.Past("at", r.At, clock.Now),
            RecordedAt = clock.Now,
            EColiPer100Ml = fields.Quantity("eColi", r.EColi, Dimension.Plain, 0, 1e6,
                "As the lab writes it for 100 mL: 0 where none was found."),
            By = fields.Name("by", r.By, "the lab or the kit"),
        };
        if (!await db.Waters.AnyAsync(w => w.Id == id))
        {
            fields.Checks.Add("id", "There is no such water.", "Choose from the list.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        db.WaterTests.Add(test);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(test.Id));
    });

    private static async Task<Ok<List<StripView>>> Strips(HoldingDb db, int page = 0) => TypedResults.Ok(
        await (from s in db.Strips.AsNoTracking()
               join w in db.Waters on s.WaterSourceId equals w.Id
               orderby s.At descending,
            s.Id descending
               select new StripView(s.Id, w.Name, s.At, s.MgPerL, s.PhotoId)).Skip(Math.Max(page, 0) * 40).Take(40)
            .ToListAsync());

    private static async Task<Results<Written<Kept>, Refused, Clash>> AddPhoto(int id, HttpRequest request, HoldingDb db, Writes writes)
    {
        var (jpeg, wrong) = await SentPictures.ReadPicture(request);
        return jpeg is null ? Problems.Of(wrong!) : await writes.Do<Kept>(async () =>
        {
            if (await db.Strips.FirstOrDefaultAsync(s => s.Id == id && s.PhotoId == null) is not { } strip)
            {
                return Refusal.Of("id", "There is no such strip, or it has its picture already.", "Take a picture of the strip just read.");
            }

            var photo = new Photo { Jpeg = jpeg };
            db.Photos.Add(photo);
            await db.SaveChangesAsync();
            strip.PhotoId = photo.Id;
            return Writes.Done(new Kept(photo.Id));
        });
    }
}
