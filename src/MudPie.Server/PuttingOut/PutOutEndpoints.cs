using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.PuttingOut;
using MudPie.Records.Shelf;
using MudPie.Server.Brewing;
using MudPie.Server.Lots;
using MudPie.Server.Weather;
using MudPie.Server.Web;

namespace MudPie.Server.PuttingOut;

/// <summary>Putting out: what is there to go, a job worked out, a job kept.</summary>
public static class PutOutEndpoints
{
    /// <summary>What can be done.</summary>
    public static void MapPutOut(this IEndpointRouteBuilder api)
    {
        api.MapGet("/put-out", Read).ForVisitor("What is ready to go out, and what went.");
        api.MapGet("/put-out/tank/start", Start).ForVisitor("What a tank is first proposed to be.");
        api.MapPost("/put-out/tank/work-out", WorkOut).ForVisitor("A job worked out, filling by filling.");
        api.MapPost("/put-out/tank", Keep).ForHand("Keeps a job: it is out.");
        api.MapGet("/put-out/asked/{id:int}", Asked).ForVisitor("A job of the book as it was asked for, to put it right.");
    }

    private static async Task<Ok<PutOutView>> Read(HoldingDb db, HoldingClock clock, int page = 0)
    {
        var units = await clock.Units();
        var ready = await BatchViews.Lines(db,
            db.Batches.Where(b => b.State == BatchState.Brewing || b.State == BatchState.Off).OrderBy(b => b.UseAt), units);
        var past = await db.Applications.ThatStand().AsNoTracking().OrderByDescending(a => a.At).Skip(Math.Max(page, 0) * 50).Take(50)
            .Select(a => new {
                a.Id,
                a.BatchId,
                Batch = a.Batch == null ? null : a.Batch.Name,
                a.At,
                a.Purpose,
                a.Dilution,
                a.TeaL,
                a.WaterL,
                a.Tool,
                a.Fitness,
                a.OverrideWhy,
                a.SprayerId,
                Items = a.Items.Select(i => i.Name).ToList(),
                Beds = a.Beds.Select(x => x.Bed.Name).ToList(),
                Total = a.Beds.Sum(x => x.TotalL),
                Washed = a.SprayerId == null || db.Washes.Any(w => w.SprayerId == a.SprayerId && w.At >= a.At),
            }).ToListAsync();
        return TypedResults.Ok(new PutOutView(
            ready,
            [.. past.Select(a => new ApplicationView(
                a.Id, a.BatchId, Say.List([.. new[] { a.Batch }.OfType<string>(), .. a.Items.Distinct()]), a.At, a.Purpose,
                Dilutions.Read(a.Dilution).Match(d => d.Value.BothWays, _ => a.Dilution), Units.Show(a.TeaL, Dimension.Volume, units),
                Units.Show(a.Total, Dimension.Volume, units), a.Tool, a.Fitness, a.OverrideWhy, a.Beds, !a.Washed, a.SprayerId))]));
    }

    /// <summary>What a tank is first proposed to be.</summary>
    private static async Task<Results<Ok<Worked<TankRequest>>, Missing>> Start(int? batch, int? giving, int? input, int? bed,
        string? purpose, DateTimeOffset? at, TankStarts starts) =>
        await starts.Read(new TankStartAsked(batch, giving, input, bed, Words.Read<Purpose>(purpose), at)) is { } first
            ? TypedResults.Ok(first) : Problems.NotFound("batch");

    private static async Task<Results<Ok<Worked<TankView>>, Refused>> WorkOut(TankRequest r, TankJobs jobs)
    {
        var (ready, refused) = await jobs.Read(r);
        return ready is null ? Problems.Of(refused!) : TypedResults.Ok(ready.Worked);
    }

    /// <summary>A job of the book as it was asked for, to put it right.</summary>
    private static async Task<Results<Ok<TankRequest>, Missing>> Asked(int id, HoldingDb db)
    {
        var job = await db.Applications.AsNoTracking().Where(a => a.Id == id).Select(a => new { a.Asked, a.At }).FirstOrDefaultAsync();
        return job?.Asked is not { } json ? Problems.NotFound("job to put right")
            : TypedResults.Ok(json with { CautionsSeen = [], CorrectsId = id, At = job.At }); // it happened when it happened, not now
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Keep(TankRequest r, HoldingDb db, HoldingClock clock, TankJobs jobs,
        LiveBrew live, StockKeeper stock,
        WeatherBook weather, Writes writes) => writes.Do<Kept>(async () =>
    {
        var (ready, refused) = await jobs.Read(r);
        if (ready is null)
        {
            return refused!;
        }

        var fields = new TypedFields(await clock.Units());
        var tool = ready.Sprayer?.Name ?? fields.Name("tool", r.Tool, "the sprayer or can");
        var at = fields.Past("at", r.At, clock.Now);
        var v = ready.Worked.Value;
        if (v.Job.Verdict.Tone == Tone.Stop)
        {
            fields.Checks.Add(v.Job.LoadCount > TankPlan.MostLoads ? "tank" : "per100M2", v.Job.Verdict.Sentence, v.Job.Verdict.Why);
        }

        var deed = PutOutDeeds.Keep(new JobStands(v.Gate is { Fitness: Fitness.NotFit } gate ? gate.Reasons[0] : null, v.Sprayer, v.Mixing,
            ready.Worked.Cautions,
            [.. v.Draws.Where(d => d.Short is not null).Select(d => (d.Name, d.Short!))]),
            new JobSaid(r.OverrideWhy, r.MixWhy, r.CautionsSeen, r.Who, r.Why));
        if (deed.Refused is { } no)
        {
            fields.Checks.Add(no);
        }

        var old = r.CorrectsId is null ? null : await Old(r, db, fields);
        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        if (old is not null)
        {
            await stock.GiveBack(old.Id, clock.Now, r.CorrectionWhy!);
        }

        var application = Record(r, ready, deed.Value, tool, at, clock.Now, await weather.At(at, await clock.Units()));
        await TakeStock(ready, application, at, stock, old is not null);

        db.Applications.Add(application);
        await db.SaveChangesAsync();
        if (ready.Batch is { } b && r.CorrectsId is null)
        {
            var batch = await db.Batches.FirstAsync(x => x.Id == b.Id);
            batch.Learnt = await live.Taught(b.Id);
            batch.Take(BrewDeeds.PutOut(at), clock.Now, "hand");
        }

        foreach (var entry in db.ChangeTracker.Entries<StockEntry>().Select(e => e.Entity)
            .Where(e => e is { Reason: StockReason.Used, ApplicationId: null }))
        {
            entry.ApplicationId = application.Id;
        }

        if (r.GivingId is { } giving && await db.Givings.FindAsync(giving) is { } done)
        {
            done.ApplicationId = application.Id;
        }

        await db.SaveChangesAsync();
        return Writes.Done(new Kept(application.Id));
    });

    private static async Task<Application?> Old(TankRequest r, HoldingDb db, TypedFields fields)
    {
        var old = await db.Applications.ThatStand().FirstOrDefaultAsync(a => a.Id == r.CorrectsId);
        if (old is null)
        {
            fields.Checks.Add("correctsId", "That entry is not there, or was put right already.", "Correct the newest one.");
        }

        if ((r.CorrectionWhy ?? "").Trim().Length < 3)
        {
            fields.Checks.Add("correctionWhy", "It is not said what was wrong.",
                "Say in a few words what was wrong with the old entry; both stay readable.");
        }

        return old;
    }

    private static Application Record(TankRequest r, TankReady ready, JobReasons reasons, string tool, DateTimeOffset at,
        DateTimeOffset now, string? weather)
    {
        var job = ready.Worked.Value.Job;
        var gate = ready.Worked.Value.Gate;
        var application = new Application {
            BatchId = ready.Batch?.Id,
            At = at,
            RecordedAt = now,
            Purpose = r.Purpose ?? ready.Batch?.Purpose ?? Purpose.Leaf,
            Dilution = ready.Batch is null ? "" : r.Dilution!.Trim(),
            OneIn = job.OneIn ?? 1,
            TeaL = job.BrewL,
            WaterL = job.WaterL,
            SpareL = job.SpareL,
            Tool = tool,
            SprayerId = ready.Sprayer?.Id,
            TankL = ready.TankL,
            Fitness = gate is null ? "none" : FitToUse.Name(gate.Fitness),
            OverrideWhy = reasons.OverrideWhy,
            MixWhy = reasons.MixWhy,
            CautionsSeen = string.Join(' ', r.CautionsSeen),
            Who = string.IsNullOrWhiteSpace(r.Who) ? null : r.Who.Trim(),
            Why = string.IsNullOrWhiteSpace(r.Why) ? null : r.Why.Trim(),
            Weather = weather,
            FoodWaiting = r.FoodWaiting,
            Asked = r,
            CorrectsId = r.CorrectsId,
            CorrectionWhy = r.CorrectsId is null ? null : r.CorrectionWhy!.Trim(),
        };
        application.Beds.AddRange(ready.Beds.Zip(job.Beds, (bed, share) => new ApplicationBed {
            BedId = bed.Id, TeaL = share.BrewL,
            TotalL = share.MixL
        }));
        return application;
    }

    /// <summary>Lots fall. Read anew inside the write, so that of two who take the last of a lot, one is told.</summary>
    private static async Task TakeStock(TankReady ready, Application application, DateTimeOffset at, StockKeeper stock, bool corrects)
    {
        var again = new Dictionary<int, double>();
        foreach (var (input, amount, draw, counted) in ready.Items)
        {
            var unit = StockKeeper.UnitOf(input);
            var taken = corrects ? await stock.PlanAfter(input.Id, amount, at, again) : draw;
            if (!counted)
            {
                application.Items.Add(new ApplicationItem {
                    InputId = input.Id, Name = input.Name, Kind = input.Kind, Amount = amount,
                    Unit = unit
                });
                continue;
            }

            var (_, draws) = await stock.WriteUse(input.Id, taken, at);
            application.Items.AddRange(draws.Select(d => new ApplicationItem {
                InputId = input.Id, LotId = d.LotId, Name = input.Name,
                Lot = d.Mark, Kind = input.Kind, Amount = d.Amount, Unit = unit
            }));
        }
    }
}
