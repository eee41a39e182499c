using System.Globalization;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Looking;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Looking;
using MudPie.Server.Reckoning;
using MudPie.Server.Web;

namespace MudPie.Server.Looking;

/// <summary>A few goals, each against its line.</summary>
public static class GoalEndpoints
{
    /// <summary>What can be asked and done.</summary>
    public static void MapGoals(this IEndpointRouteBuilder api)
    {
        api.MapGet("/look/goals", Read).ForVisitor("Goals, each against its line, with what hangs from it.");
        api.MapPost("/look/goals", Keep).ForHand("A goal is set or changed.");
        api.MapPost("/look/goals/{id:int}/end", End).ForHand("A goal is let go.");
        api.MapPost("/look/goals/{id:int}/hang", Hang).ForHand("A job, a brew or a trial is hung from a goal, or taken off it.");
    }

    private static async Task<Ok<GoalsView>> Read(HoldingDb db, HoldingClock clock, JobsBook book)
    {
        var goals = await db.Goals.AsNoTracking().Include(g => g.Bed).Include(g => g.Things).Where(g => g.EndedAt == null)
            .OrderBy(g => g.Id).Take(GoalMeasures.Most).ToListAsync();
        var things = await GoalDesk.Things(db, clock, book, [.. goals.SelectMany(g => g.Things)]);
        var inputs = await db.Inputs.AsNoTracking().Select(i => new { i.Id, i.Name }).ToDictionaryAsync(i => i.Id, i => i.Name);
        List<GoalView> views = [];
        foreach (var g in goals)
        {
            views.Add(View(g, await GoalDesk.Points(g, db, clock), things, g.InputId is { } of ? inputs.GetValueOrDefault(of) : null));
        }

        return TypedResults.Ok(new GoalsView(views, [.. Enum.GetValues<GoalMeasure>().Select(m => new GoalMeasureView(m, m
            == GoalMeasure.Check ? "a check of the ground" : GoalMeasures.Name(m, null, "one thing"), GoalMeasures.Unit(m)))],
            CheckHows.All, things));
    }

    private static GoalView View(Goal g, IReadOnlyList<GoalPoint> points, List<GoalHung> things, string? input)
    {
        var unit = GoalMeasures.Unit(g.Measure);
        var (baseline, target) = (new GoalPoint(g.BaselineOn, g.Baseline), new GoalPoint(g.TargetOn, g.Target));
        var answer = GoalLine.Of(new GoalAsked(baseline, target, points, unit)).Worked; // it was sound when it was kept
        List<GoalHung> hung = [.. things.Where(t => g.Things.Any(h => h.Kind == t.Kind && h.ThingId == t.ThingId)).Select(t => t with {
            On = true })];
        var counted = hung.Where(h => h.Kind != "batch" || hung.All(j => j.OfBatch != h.ThingId)).ToList();
        var known = counted.Where(h => h.Money is not null).ToList();
        var spent = hung.Count == 0 ? "Nothing hangs from it yet." : $"{Say.Count(hung.Count, "thing")} done for it; "
            + (counted.Sum(h => h.Hours ?? 0) is > 0 and var hours ? $"{Say.Number(hours, 2)} h, " : "")
            + (known.Count == 0 ? "what they cost is not known." : $"{Say.Money(known.Sum(h => h.Money!.Value))} of the shelf"
                + (known.Count < counted.Count ? $", of {Say.Count(counted.Count - known.Count, "more", "more")} it is not known." : "."));
        return new GoalView(g.Id, g.Version, g.Name, g.Measure, g.Check, g.InputId, g.BedId, g.Bed?.Name ?? "the whole holding",
            GoalMeasures.Name(g.Measure, g.Check, input), unit, baseline, g.BaselineFrom, target, g.Met, g.IfMissed,
            [.. points.Where(p => p.On >= g.BaselineOn)], answer, GoalMeasures.Follows(answer.Value, g.IfMissed), hung, spent);
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Keep(GoalRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var (name, measure) = (fields.Name("name", r.Name, "the goal"), fields.Checks.One("measure", r.Measure));
        if (measure == GoalMeasure.Check && r.Check is null)
        {
            fields.Checks.Add("check", "No check was chosen.", "Choose which of them it is measured by.");
        }

        if (measure == GoalMeasure.Uses && !await db.Inputs.AnyAsync(i => i.Id == r.InputId))
        {
            fields.Checks.Add("inputId", "Nothing of the shelf was chosen.", "Choose what is to be put out less, or more.");
        }

        if (r.BedId is { } bed && !await db.Beds.AnyAsync(b => b.Id == bed))
        {
            fields.Checks.Add("bedId", "That bed is not there.", "Choose another, or the whole holding.");
        }

        var (from, to) = (fields.Quantity("baseline", r.Baseline, Dimension.Plain, 0, 1e6), fields.Quantity("target", r.Target,
            Dimension.Plain, 0, 1e6));
        var (on, by) = (Day("baselineOn", r.BaselineOn, fields), Day("targetOn", r.TargetOn, fields));
        foreach (var (field, text) in new[] { ("baselineFrom", r.BaselineFrom), ("met", r.Met), ("ifMissed", r.IfMissed) })
        {
            if (text?.Length > 200)
            {
                fields.Checks.Add(field, "That is too long.", "Up to 200 letters.");
            }
        }

        if (fields.Checks.Sound && GoalLine.Of(new GoalAsked(new(on, from), new(by, to), [], "")).Refused is { } no)
        {
            fields.Checks.Add(new Refusal([.. no.Problems.Select(p => p with { Field = p.Field switch { "target.on" => "targetOn",
                "target.value" => "target", _ => p.Field } })]));
        }

        return fields.Checks.Sound ? await Saved(r, name, (measure, from, to, on, by), db, fields.Checks) : fields.Checks.Refusal;
    });

    private static DateOnly Day(string field, DateOnly? day, TypedFields fields)
    {
        if (day is not { Year: > 1950 and < 2100 } sound)
        {
            fields.Checks.Add(field, day is null ? "No day was given."
                : $"{day.Value.ToString("yyyy", CultureInfo.InvariantCulture)} is no "
                + "year for that.", "Give a day, as 1 Mar 2026.");
            return default;
        }

        return sound;
    }

    private static async Task<Ruling<Kept>> Saved(GoalRequest r, string name, (GoalMeasure Measure, double From, double To, DateOnly On,
        DateOnly By) told, HoldingDb db, Checks checks)
    {
        var goal = r.Id is null ? new Goal { Name = name } : await db.Goals.FirstOrDefaultAsync(g => g.Id == r.Id && g.EndedAt == null);
        if (goal is null || (r.Id is null && await db.Goals.CountAsync(g => g.EndedAt == null) >= GoalMeasures.Most))
        {
            return checks.Add(goal is null ? "id" : "name", goal is null ? "That goal is not there."
                : $"{GoalMeasures.Most} goals are many.",
                goal is null ? "Load the page again." : "Let one go first: a few are reached sooner.").Refusal;
        }

        static string? Blank(string? text) => string.IsNullOrWhiteSpace(text) ? null : text.Trim();
        (goal.Name, goal.Measure, goal.Baseline, goal.Target, goal.BaselineOn, goal.TargetOn) = (name, told.Measure, told.From, told.To,
            told.On, told.By);
        (goal.Check, goal.InputId, goal.BedId) = (told.Measure == GoalMeasure.Check ? r.Check : null, told.Measure == GoalMeasure.Uses
            ? r.InputId : null, r.BedId);
        (goal.BaselineFrom, goal.Met, goal.IfMissed) = (Blank(r.BaselineFrom), Blank(r.Met), Blank(r.IfMissed));
        if (r.Id is null)
        {
            db.Goals.Add(goal);
        }
        else if (r.Version is { } seen)
        {
            db.Entry(goal).Property(g => g.Version).OriginalValue = seen;
        }

        await db.SaveChangesAsync();
        return Writes.Done(new Kept(goal.Id));
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> End(int id, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        if (await db.Goals.FirstOrDefaultAsync(g => g.Id == id && g.EndedAt == null) is not { } goal)
        {
            return Refusal.Of("id", "That goal is not there.", "Load the page again.");
        }

        goal.EndedAt = clock.Now;
        return Writes.Done(new Kept(id));
    });

    private static Task<Results<Written<Kept>, Refused, Clash>> Hang(int id, HangRequest r, HoldingDb db, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        if (await db.Goals.Include(g => g.Things).FirstOrDefaultAsync(g => g.Id == id && g.EndedAt == null) is not { } goal)
        {
            return Refusal.Of("id", "That goal is not there.", "Load the page again.");
        }

        var there = r.Kind switch {
            "job" => await db.Applications.ThatStand().AnyAsync(a => a.Id == r.ThingId),
            "batch" => await db.Batches.AnyAsync(b => b.Id
                == r.ThingId),
            "trial" => await db.Trials.AnyAsync(t => t.Id == r.ThingId),
            _ => false,
        };
        if (!there)
        {
            return Refusal.Of("thingId", "That is not there to be hung.", "Choose a job, a brew or a trial of the list.");
        }

        var hangs = goal.Things.FirstOrDefault(t => t.Kind == r.Kind && t.ThingId == r.ThingId);
        if (r.On && hangs is null)
        {
            db.GoalThings.Add(new GoalThing { GoalId = id, Kind = r.Kind!, ThingId = r.ThingId!.Value });
        }
        else if (!r.On && hangs is not null)
        {
            db.GoalThings.Remove(hangs);
        }

        return Writes.Done(new Kept(id));
    });
}
