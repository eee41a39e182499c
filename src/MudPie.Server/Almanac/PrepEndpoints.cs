using Microsoft.EntityFrameworkCore;
using MudPie.Core.Almanac;
using MudPie.Core.Ground;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Core.Works;
using MudPie.Records;
using MudPie.Records.PuttingOut;
using MudPie.Records.Works;
using MudPie.Server.Ground;
using MudPie.Server.Weather;
using MudPie.Server.Web;
using MudPie.Server.Works;

namespace MudPie.Server.Almanac;

/// <summary>Biodynamic preparations, from the horn to what is put out.</summary>
public static class PrepEndpoints
{
    /// <summary>What can be asked and done; steps go by the door of all works.</summary>
    public static void MapPreparations(this IEndpointRouteBuilder api)
    {
        api.MapGet("/works/preparations", All).ForVisitor("Preparations to choose from, with their dates here, and those begun.");
        api.MapGet("/works/preparations/{id:int}", One).ForVisitor("A preparation as it stands.");
        api.MapPost("/works/preparations", Keep).ForHand("A preparation is set up or changed, and marked on the plan.");
        api.MapGet("/works/preparations/{id:int}/rate", Rate).ForVisitor("What is usually stirred for beds.");
        api.MapPost("/works/preparations/{id:int}/put-out", PutOut).ForHand("What was stirred is put out: it stands in the book.");
    }

    private static async Task<Ok<PrepsView>> All(WorkDesk desk, HoldingClock clock)
    {
        var (sky, now) = (await desk.Sky(), clock.Now);
        return TypedResults.Ok(new PrepsView([.. Preparations.All.Select(p => Kind(p, sky, now, false))],
            [.. (await desk.Lines(WorkKind.Preparation)).Select(l => l.Line)], Preparations.Contested));
    }

    private static PrepKindView Kind(Preparation p, PrepSky sky, DateTimeOffset now, bool replaced)
    {
        var next = sky.South is { } south ? PreparationYear.Next(p, now, south, sky.Lift) : null;
        string Day(DateTimeOffset at) => Say.Day(sky.Local(at));
        return new PrepKindView(p, p.Called, next is null ? null
            : $"about {Say.Date(sky.Local(next.BeginAt))}, {Day(next.From)} to {Day(next.To)}",
            PrepCourse.Begin(p), Preparations.Minding(p, replaced));
    }

    private static async Task<Results<Ok<PrepView>, Missing>> One(int id, HoldingDb db, WorkDesk desk, HoldingClock clock)
    {
        if (await db.Works.AsNoTracking().FirstOrDefaultAsync(w => w.Id == id) is not { Preparation: { } asked } work)
        {
            return Problems.NotFound("preparation");
        }

        var (log, shown) = await desk.Log(id);
        if (await desk.Prep(work, log) is not { } prep)
        {
            return Problems.NotFound("preparation");
        }

        var (sky, s) = (await desk.Sky(), prep.Stands);
        var bed = work.BedId is { } on ? await db.Beds.Where(b => b.Id == on).Select(b => b.Name).FirstOrDefaultAsync() : null;
        var (word, figure) = PrepCourse.Short(prep.Plan, s, sky);
        return TypedResults.Ok(new PrepView {
            Id = id,
            Version = work.Version,
            Asked = asked,
            Kind = Kind(prep.Plan.Kind, sky, clock.Now, asked.Replaced),
            State = s.State,
            Word = figure.Length > 0 ? $"{word}, {figure}" : word,
            Verdict = s.Verdict,
            Lift = s.State == PrepState.Buried && s.Span is not null
                ? PreparationYear.Lifting(s.Span, sky.Lift, at => Say.Date(sky.Local(at))) : null,
            CountShown = s.In is not { } went ? null : s.Out is { } came ? $"{went} in, {came} out whole" : $"{went} in",
            PlaceShown = string.Join("; ", new[] { asked.Place, work.MarkEast is null || bed is null ? null
                : $"marked on the plan by {bed}" }
                .Where(p => !string.IsNullOrWhiteSpace(p))) is { Length: > 0 } place ? place : null,
            Marked = work.MarkEast is not null,
            Next = s.Next,
            Waits = s.Waits,
            Cautions = Preparations.Minding(prep.Plan.Kind, asked.Replaced),
            Log = shown,
            Lots = await desk.Lots(id),
            StirMinutes = Preparations.StirMinutes,
            Contested = Preparations.Contested,
        });
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Keep(PrepKeepRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        if (r.Asked is not { } asked)
        {
            return Refusal.Of("asked", "Nothing was asked.", "Load the page again.");
        }

        var checks = new Checks();
        if (PrepReading.Of(asked, await clock.Units()).Refused is { } no)
        {
            checks.Add(no);
        }

        if (await WorkEndpoints.Found(r.Id, r.Version, WorkKind.Preparation, asked.Name, null, (db, clock, checks)) is not { } work)
        {
            return checks.Refusal;
        }

        if (work.Preparation is { } was && was.Kind != asked.Kind && await db.WorkLog.ThatStand().AnyAsync(e => e.WorkId == work.Id))
        {
            checks.Add("kind", "Something is logged of it: it stays what it is.", "Set the other one up by itself.");
        }

        if (r.X is not null || r.Y is not null)
        {
            var drawn = GeoEndpoints.Drawn(await db.Beds.AsNoTracking().OrderBy(b => b.Id).Take(500).ToListAsync()).Value;
            if (PlanMarks.At(drawn.Beds, new PlanPoint(r.X ?? double.NaN, r.Y ?? double.NaN)) is not { } mark)
            {
                checks.Add("x", "That point is not on the plan, or far from any bed.", "Touch the plan where it lies, near a bed.");
            }
            else
            {
                (work.BedId, work.MarkEast, work.MarkNorth) = (mark.BedId, mark.East, mark.North);
            }
        }

        work.Preparation = asked;
        return await WorkEndpoints.Saved(work, db, checks);
    });

    private static async Task<Results<Ok<Worked<PrepRateView>>, Refused, Missing>> Rate(int id, string? beds, HoldingDb db,
        HoldingClock clock)
    {
        if (await db.Works.AsNoTracking().FirstOrDefaultAsync(w => w.Id == id) is not { Preparation: { } asked }
            || Preparations.Find(asked.Kind) is not { } kind)
        {
            return Problems.NotFound("preparation");
        }

        List<int> on = [.. (beds ?? "").Split(',').Select(b => int.TryParse(b, out var n) ? n : 0).Where(n => n > 0).Take(100)];
        var area = await db.Beds.Where(b => on.Contains(b.Id)).SumAsync(b => b.AreaM2);
        if (area <= 0)
        {
            return Problems.Of(Refusal.Of("beds", "No bed was chosen.", "Touch the beds on the plan."));
        }

        var (rate, units) = (Preparations.For(kind, area), await clock.Units());
        return rate.Refused is { } no ? Problems.Of(no) : TypedResults.Ok(rate.Worked.With(new PrepRateView(
            $"{Say.Number(rate.Value.Grams)} g", Units.Show(rate.Value.Litres, Dimension.Volume, units),
            Units.Show(area, Dimension.Area, units)), ""));
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> PutOut(int id, PrepPutOutRequest r, HoldingDb db, WorkDesk desk,
        HoldingClock clock, WeatherBook weather, Writes writes) => writes.Do<Kept>(async () =>
    {
        if (await db.Works.AsNoTracking().FirstOrDefaultAsync(w => w.Id == id) is not { Preparation: { } asked } work
            || PrepReading.Of(asked, await clock.Units()) is not { Refused: null } plan)
        {
            return Refusal.Of("id", "It is not there any more.", "Load the page again.");
        }

        var fields = new TypedFields(await clock.Units());
        var at = fields.Checks.Past("at", r.At, clock.Now);
        var litres = fields.Quantity("water", r.Water, Dimension.Volume, 0.05, 100_000);
        var beds = await db.Beds.AsNoTracking().Where(b => (r.BedIds ?? new List<int>()).Contains(b.Id)).ToListAsync();
        var stirred = (await db.WorkLog.ThatStand().AsNoTracking().Where(e => e.WorkId == id && e.Step == WorkStep.Stirred && e.At <= at)
            .ToListAsync()).LastOrDefault();
        var used = stirred is not null && await db.Applications.ThatStand().AnyAsync(a => a.WorkEntryId == stirred.Id);
        if (beds.Count == 0 || beds.Count < (r.BedIds ?? []).Distinct().Count())
        {
            fields.Checks.Add("bedIds", beds.Count == 0 ? "No bed was chosen." : "One of those beds is not there any more.",
                "Choose the beds that it went on.");
        }

        if (stirred is null || used)
        {
            fields.Checks.Add("id", stirred is null ? "Nothing of it was stirred." : "What was stirred last stands in the book already.",
                "Log the stirring first.");
        }

        var missing = PutOutMissing(plan.Value, r.CautionsSeen ?? []);
        if (missing.Count > 0)
        {
            fields.Checks.Add("cautionsSeen", "A caution was not ticked.", "Read it and tick it.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        var job = Job(r, plan.Value, stirred!, (beds, litres), at, clock.Now);
        job.Weather = await weather.At(at, await clock.Units());
        var lot = await db.Lots.AsNoTracking().Include(l => l.Input).Where(l => l.WorkId == work.Id).OrderByDescending(l => l.Id)
            .FirstOrDefaultAsync();
        job.Items.Add(new ApplicationItem {
            InputId = lot?.InputId, LotId = lot?.Id, Name = lot?.Input.Name ?? plan.Value.Kind.Called, Lot = lot?.Mark,
            Kind = lot?.Input.Kind ?? "preparation", Amount = stirred!.Grams / 1000 ?? stirred.Litres ?? 0,
            Unit = plan.Value.Kind.Liquid ? "L" : "kg",
        });
        db.Applications.Add(job);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(job.Id));
    });

    private static List<string> PutOutMissing(PrepPlan plan, IReadOnlyList<string> seen) =>
        [.. Preparations.Minding(plan.Kind, true).Where(c => c.Id != Preparations.Quartz.Id).Select(c => c.Id).Except(seen)];

    private static Application Job(PrepPutOutRequest r, PrepPlan plan, WorkEntry stirred, (List<Records.Ground.Bed> Beds, double Litres) on,
        DateTimeOffset at, DateTimeOffset now)
    {
        var job = new Application {
            At = at,
            RecordedAt = now,
            Purpose = plan.Kind.Use is PreparationUse.StirredMorning or PreparationUse.Sprayed ? Purpose.Leaf : Purpose.Root,
            Dilution = "",
            OneIn = 1,
            WaterL = on.Litres,
            Tool = "brush or sprayer",
            Fitness = "none",
            CautionsSeen = string.Join(' ', (r.CautionsSeen ?? []).Take(10).Where(c => c.Length <= 60)),
            Who = string.IsNullOrWhiteSpace(r.Who) ? null : r.Who.Trim()[..Math.Min(r.Who.Trim().Length, Names.Most)],
            WorkEntryId = stirred.Id,
        };
        var area = on.Beds.Sum(b => b.AreaM2);
        job.Beds.AddRange(on.Beds.Select(b => new ApplicationBed { BedId = b.Id, TeaL = 0, TotalL = on.Litres * b.AreaM2 / area }));
        return job;
    }
}
