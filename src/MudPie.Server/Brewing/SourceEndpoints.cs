using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Ground;
using MudPie.Records.Shelf;
using MudPie.Server.Web;

namespace MudPie.Server.Brewing;

/// <summary>A lot of source and what was ruled on it.</summary>
public sealed record SourceLotView(int Id, string Name, string Kind, string? Lot, SourceAnswers? Answers, DateTimeOffset? AskedAt,
    Worked<SourceRuling>? Ruling, int Brews, int Earlier);

/// <summary>A check on whether ground is alive.</summary>
/// <param name="BedId">The bed.</param>
/// <param name="Kind">A <see cref="GroundTest"/> by its word.</param>
/// <param name="Weeks">Weeks buried, where the day is not known.</param>
/// <param name="Figure">Share gone, or mg C per kg in a day.</param>
/// <param name="At">When it was dug up or measured; now when not given.</param>
/// <param name="BuriedAt">The day on which the strip was buried: the weeks follow from it.</param>
public sealed record GroundCheckRequest(int BedId, string? Kind, double? Weeks, double? Figure, DateTimeOffset? At,
    DateTimeOffset? BuriedAt = null);

/// <summary>A check that was kept.</summary>
public sealed record GroundCheckView(int Id, int BedId, string Bed, DateTimeOffset At, GroundTest Kind, double Figure, double? Weeks,
    Life Life, string Says);

/// <summary>Lots of source, and whether ground is alive.</summary>
public static class SourceEndpoints
{
    /// <summary>What can be asked and done.</summary>
    public static void MapSources(this IEndpointRouteBuilder api)
    {
        api.MapGet("/brew/sources", Read).ForVisitor("Composts and castings with their checks.");
        api.MapPost("/brew/sources/work-out", (SourceAnswers answers) => Problems.Answer(SourceGate.Judge(answers)))
            .ForVisitor("Is this source fit, and why?");
        api.MapPost("/brew/sources/{id:int}/check", Check).ForHand("Keeps a check of a source.");
        api.MapGet("/brew/ground-checks", ReadGround).ForVisitor("Checks of how alive the ground is.");
        api.MapPost("/brew/ground-checks/work-out", (GroundCheckRequest r, HoldingClock clock) => Problems.Answer(Judge(r, clock.Now)))
            .ForVisitor("How alive a strip or a burst says the ground is.");
        api.MapPost("/brew/ground-checks", KeepGround).ForHand("Keeps such a check.");
    }

    private static async Task<Ok<List<SourceLotView>>> Read(HoldingDb db)
    {
        var kinds = Ingredients.Sources.Select(s => s.Kind).ToList();
        var asked = db.SourceChecks.Newest();
        var rows = await db.Inputs.AsNoTracking().Where(i => kinds.Contains(i.Kind)).OrderBy(i => i.Id).Select(i => new {
            i.Id,
            i.Name,
            i.Kind,
            i.Lot,
            Check = asked.Where(c => c.InputId == i.Id).Select(c => new { c.Answers, c.At }).FirstOrDefault(),
            Checks = i.Checks.Count,
            Brews = db.Batches.Count(b => b.SourceInputId == i.Id),
        }).ToListAsync();
        return TypedResults.Ok(rows.Select(r =>
        {
            var answers = r.Check is null ? null : r.Check.Answers;
            return new SourceLotView(r.Id, r.Name, r.Kind, r.Lot, answers, r.Check?.At, answers is null
                ? null : SourceGate.Judge(answers).Worked, r.Brews, Math.Max(r.Checks - 1, 0));
        }).ToList());
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Check(int id, SourceAnswers answers, HoldingDb db, HoldingClock clock,
        Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var input = await db.Inputs.FirstOrDefaultAsync(i => i.Id == id);
        if (input is null || Ingredients.Source(input.Kind) is null)
        {
            return Refusal.Of("id", "There is no such lot of source.", "Choose from the list; add one under Ground and kit.");
        }

        answers = answers with { Kind = input.Kind };
        var ruling = SourceGate.Judge(answers);
        if (ruling.Refused is { } refused)
        {
            return refused;
        }

        var check = new SourceCheck { InputId = id, At = clock.Now, Answers = answers };
        db.SourceChecks.Add(check);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(check.Id));
    });

    private static async Task<Ok<List<GroundCheckView>>> ReadGround(HoldingDb db) => TypedResults.Ok(
        (await (from c in db.BedChecks.AsNoTracking()
                join b in db.Beds on c.BedId equals b.Id
                orderby c.At descending
                select new {
                    c,
                    b.Name
                }).Take(100).ToListAsync())
            .Select(x => new GroundCheckView(x.c.Id, x.c.BedId, x.Name, x.c.At, x.c.Kind, x.c.Figure, x.c.Weeks is { } weeks
                ? Math.Round(weeks, 1) : null, x.c.Life, GroundAlive.Means(x.c.Life))).ToList());

    private static double? WeeksOf(GroundCheckRequest r, DateTimeOffset now) => r.BuriedAt is { } buried
        ? ((r.At ?? now) - buried).TotalDays / 7 : r.Weeks;

    private static Ruling<GroundAliveAnswer> Judge(GroundCheckRequest r, DateTimeOffset now) => Words.Read<GroundTest>(r.Kind) switch {
        GroundTest.Cotton => GroundAlive.CottonStrip(WeeksOf(r, now), r.Figure)
            .Match<Ruling<GroundAliveAnswer>>(w => w, x => Renamed(x, "goneShare")),
        GroundTest.Co2 => GroundAlive.Co2Burst(r.Figure).Match<Ruling<GroundAliveAnswer>>(w => w, x => Renamed(x, "mgCPerKg")),
        _ => Refusal.Of("kind", string.IsNullOrWhiteSpace(r.Kind) ? "No check was chosen." : $"“{r.Kind}” is no check known here.",
            "Choose cotton or co2."),
    };

    private static Refusal Renamed(Refusal refusal, string from) =>
        new([.. refusal.Problems.Select(p => p.Field == from ? p with { Field = "figure" } : p)]);

    private static Task<Results<Written<Kept>, Refused, Clash>> KeepGround(GroundCheckRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var ruling = Judge(r, clock.Now);
        var fields = new TypedFields(await clock.Units());
        var at = fields.Past("at", r.At, clock.Now);
        if (ruling.Refused is { } refused)
        {
            fields.Checks.Add(refused);
        }

        if (!await db.Beds.AnyAsync(b => b.Id == r.BedId))
        {
            fields.Checks.Add("bedId", "No bed was chosen.", "Choose the bed that was checked.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        var check = new BedCheck {
            BedId = r.BedId, At = at, RecordedAt = clock.Now, Kind = Words.Must<GroundTest>(r.Kind!), Figure = r.Figure!.Value,
            Weeks = WeeksOf(r, clock.Now), BuriedAt = r.BuriedAt, Life = ruling.Value.Life
        };
        db.BedChecks.Add(check);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(check.Id));
    });
}
