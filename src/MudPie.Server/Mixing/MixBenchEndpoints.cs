using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Mixing;
using MudPie.Server.Lots;
using MudPie.Server.Web;

namespace MudPie.Server.Mixing;

/// <summary>Jobs of mixing: worked out, kept, and gone through step by step.</summary>
public static class MixBenchEndpoints
{
    /// <summary>What can be asked and done.</summary>
    public static void MapMixBench(this IEndpointRouteBuilder api)
    {
        api.MapGet("/mix", All).ForVisitor("Jobs of mixing, and what the shelf has for a new one.");
        api.MapGet("/mix/start", MixStarts.Start).ForVisitor("What a new job begins with: from the shelf, or from a trial's treatments.");
        api.MapGet("/mix/{id:int}", One).ForVisitor("A job of mixing as it stands.");
        api.MapGet("/mix/of-trial/{trial:int}", MixTrials.Of)
            .ForVisitor("Mixes of a trial's treatments: amounts, nitrogen beside growth.");
        api.MapPost("/mix/work-out", WorkOut).ForVisitor("Mixes to litres, to what is fetched, charged first, what it costs and does.");
        api.MapPost("/mix", Keep).ForHand("Writes a job of mixing on its card, new or changed.");
        api.MapPost("/mix/{id:int}/steps", MixSteps.Do).ForHand("A step of a job is done: charged, looked at, mixed, filled in.");
        api.MapPost("/mix/{id:int}/steps/{step:int}/undo", MixSteps.Undo).ForHand("Undoes the newest step; it stays readable.");
        api.MapGet("/mix/{id:int}/qr.svg", (int id, HttpRequest request) => QrCodes.To(request, $"/make/mix/{id}"))
            .ForVisitor("A code that opens the job on a telephone.");
    }

    private static async Task<Ok<MixesView>> All(HoldingDb db, MixDesk desk, HoldingClock clock)
    {
        var known = await desk.Known();
        var jobs = await Jobs(db, known, desk);
        string Left(ShelfPart p) => p.LeftL is { } l ? Units.Show(l, Dimension.Volume, known.Units) : "not counted";
        return TypedResults.Ok(new MixesView(jobs,
            [.. known.Shelf.Where(p => MixStarts.Fits(p.Value)).OrderByDescending(p => p.Value.LeftL > 0).ThenBy(p => p.Value.Name)
                .Select(p => new MixChoice(p.Key, p.Value.Name, Left(p.Value), p.Value.Kind == "char",
                    p.Value.Kind is "castings" or "compost"))],
            await db.Beds.AsNoTracking().OrderBy(b => b.Id).Select(b => new MixBed(b.Id, b.Name, b.AreaTyped)).ToListAsync()));
    }

    /// <summary>Jobs in a line each: what is going first, then the newest.</summary>
    internal static async Task<List<MixLine>> Jobs(HoldingDb db, MixKnown known, MixDesk desk)
    {
        var jobs = await db.Mixes.AsNoTracking().OrderByDescending(m => m.Id).Take(60).ToListAsync();
        var steps = (await db.MixLog.ThatStand().AsNoTracking().Select(e => new { e.MixId, e.Id, e.Step, e.At }).ToListAsync())
            .ToLookup(e => e.MixId, e => new MixStepStands(e.Id, e.Step, e.At));
        return [.. jobs.Select(j => desk.Line(j, [.. steps[j.Id]], known)).OrderBy(l => l.State == MixState.Filled)];
    }

    private static async Task<Results<Ok<MixJobView>, Missing>> One(int id, HoldingDb db, MixDesk desk, HoldingClock clock)
    {
        if (await db.Mixes.AsNoTracking().FirstOrDefaultAsync(m => m.Id == id) is not { } job)
        {
            return Problems.NotFound("job of mixing");
        }

        var (units, steps) = (await clock.Units(), await desk.Steps(id));
        var worked = await desk.WorkOut(job.Asked, steps);
        var all = await db.MixLog.AsNoTracking().Where(e => e.MixId == id).OrderByDescending(e => e.At).ThenByDescending(e => e.Id)
            .Take(200)
            .ToListAsync();
        var undone = all.Where(e => e.CorrectsId is not null).ToDictionary(e => e.CorrectsId!.Value, e => e.Note);
        var wrote = await db.WroteThese(db.MixLog, [.. all.Select(e => e.Id)]);
        var state = MixDeeds.State(steps);
        return TypedResults.Ok(new MixJobView {
            Id = id,
            Version = job.Version,
            Name = job.Name,
            State = state,
            StateSays = MixDeeds.Told(state),
            Asked = job.Asked,
            Bench = worked.Refused is null ? worked.Worked : null,
            Trouble = worked.Refused is { } no ? string.Join(" ", no.Problems) : null,
            Next = MixDeeds.Next(state, job.Asked.Charge is not null),
            Log = [.. all.Where(e => e.CorrectsId is null)
                .Select(e => new MixStepView(e.Id, e.Step, e.At, InUnits.Say(e.Text, units), e.Note,
                undone.ContainsKey(e.Id), undone.GetValueOrDefault(e.Id), steps.Count > 0 && steps[^1].Id == e.Id,
                wrote.Told(e.Id, e.At)))],
            Lots = [.. (await db.Lots.AsNoTracking().Where(l => l.MixId == id).OrderBy(l => l.Id)
                .Select(l => new { l.Id, l.InputId, l.Mark, l.Input.Name, Left = l.Entries.Sum(e => e.Amount) }).ToListAsync())
                .Select(l => new MixLot(l.Id, l.InputId, l.Name, StockKeeper.Shown(Math.Max(0, l.Left), "L", units)))],
        });
    }

    private static async Task<Results<Ok<Worked<MixBenchView>>, Refused>> WorkOut(MixRequest asked, MixDesk desk)
    {
        var worked = await desk.WorkOut(asked);
        return worked.Refused is { } no ? Problems.Of(no) : TypedResults.Ok(worked.Worked);
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Keep(MixKeepRequest r, HoldingDb db, MixDesk desk, HoldingClock clock,
        Writes writes) => writes.Do<Kept>(async () =>
    {
        var checks = new Checks();
        var job = r.Id is { } id ? await db.Mixes.FindAsync(id) : null;
        if (r.Asked is not { } asked || (r.Id is not null && job is null))
        {
            return Refusal.Of(r.Asked is null ? "asked" : "id", r.Asked is null ? "Nothing was asked." : "It is not there any more.",
                "Load the page again.");
        }

        var steps = job is null ? [] : await desk.Steps(job.Id);
        if (steps.Count > 0)
        {
            checks.Add("asked", "Its first step is done: the card stands as it was then.", "Undo the step, or begin another job.");
        }

        if (job is null)
        {
            db.Mixes.Add(job = new MixJob { Name = "", Asked = asked, At = clock.Now });
        }

        db.Seen(job, r.Version, checks);
        if ((await desk.WorkOut(asked)).Refused is { } no)
        {
            checks.Add(no);
        }

        if (asked.BedId is { } bed && !await db.Beds.AnyAsync(b => b.Id == bed))
        {
            checks.Add("bedId", "That bed is not there any more.", "Choose another, or none.");
        }

        if (asked.TrialId is { } trial && !await db.Trials.AnyAsync(t => t.Id == trial))
        {
            checks.Add("trialId", "That trial is not there any more.", "Begin from the trial again.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        (job.Name, job.Asked) = (asked.Name!.Trim(), asked);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(job.Id));
    });
}
