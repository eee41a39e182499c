using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Server.Web;

namespace MudPie.Server.Brewing;

/// <summary>A tally to be kept with what it is of.</summary>
public sealed record TallyRequest(int? BatchId, int? InputId, string? Stage, TallyQuestion Tally, DateTimeOffset? At)
{
    /// <summary>The ground that got it.</summary>
    public int? BedId { get; init; }

    /// <summary>The machine that it went through, or is about to.</summary>
    public int? SprayerId { get; init; }
}

/// <summary>Two counts, before and after a pump or sprayer.</summary>
public sealed record ThroughRequest(IReadOnlyList<double>? Before, IReadOnlyList<double>? After);

/// <summary>A tally that was kept.</summary>
public sealed record TallyView(int Id, string Of, TallyStage Stage, DateTimeOffset At, Worked<TallyAnswer> Answer);

/// <summary>Growth between two tallies of one brew.</summary>
public sealed record GrowthView(string Of, double Times, string Sentence);

/// <summary>All tallies, and what grew between extraction and the end.</summary>
public sealed record TalliesView(IReadOnlyList<TallyView> Tallies, IReadOnlyList<GrowthView> Growth);

/// <summary>Under the microscope.</summary>
public static class MicroscopeEndpoints
{
    /// <summary>What can be asked and done.</summary>
    public static void MapMicroscope(this IEndpointRouteBuilder api)
    {
        api.MapPost("/brew/tally/work-out", (TallyQuestion q) => Problems.Answer(MicroscopeTally.Of(q)))
            .ForVisitor("A count at the microscope, worked out.");
        api.MapPost("/brew/tally/through", (ThroughRequest r) => Problems.Answer(Microscope.CameThrough(r.Before, r.After)))
            .ForVisitor("What a count through a mesh would leave.");
        api.MapPost("/brew/tallies", Keep).ForHand("Keeps a count.");
        api.MapGet("/brew/tallies", Read).ForVisitor("Counts kept, newest first.");
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Keep(TallyRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var deed = TallyDeeds.Count(r.Stage, r.Tally,
            await db.Inputs.AnyAsync(i => i.Id == r.InputId), await db.Batches.AnyAsync(b => b.Id == r.BatchId), r.At, clock.Now,
            await db.Beds.AnyAsync(b => b.Id == r.BedId), r.SprayerId is null || await db.Sprayers.AnyAsync(s => s.Id == r.SprayerId));
        if (deed.Refused is { } refused)
        {
            return refused;
        }

        var (stage, at) = (deed.Value.Stage, deed.Value.At);
        var kept = new MicroscopeTallyKept {
            BatchId = stage is TallyStage.Source or TallyStage.Soil ? null : r.BatchId,
            InputId = stage == TallyStage.Source ? r.InputId : null, BedId = stage == TallyStage.Soil ? r.BedId : null,
            SprayerId = r.SprayerId, At = at, RecordedAt = clock.Now, Stage = stage, Tally = r.Tally
        };
        db.Tallies.Add(kept);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(kept.Id));
    });

    private static async Task<Ok<TalliesView>> Read(HoldingDb db, int page = 0)
    {
        var rows = await db.Tallies.AsNoTracking().OrderByDescending(t => t.At).Skip(Math.Max(page, 0) * 30).Take(30).Select(t => new {
            t.Id,
            t.BatchId,
            t.Stage,
            t.At,
            t.Tally,
            Batch = db.Batches.Where(b => b.Id == t.BatchId).Select(b => b.Name).FirstOrDefault(),
            Bed = db.Beds.Where(b => b.Id == t.BedId).Select(b => b.Name).FirstOrDefault(),
            Input = db.Inputs.Where(i => i.Id == t.InputId).Select(i => i.Lot == null ? i.Name : i.Name + ", " + i.Lot).FirstOrDefault(),
        }).ToListAsync();
        var views = rows.Select(r =>
            (r.BatchId, View: new TallyView(r.Id, r.Batch ?? r.Input ?? r.Bed ?? "", r.Stage, r.At,
                MicroscopeTally.Of(r.Tally).Worked))).ToList();
        var growth = views.Where(v => v.BatchId is not null).GroupBy(v => v.BatchId)
            .Select(g => (First: g.LastOrDefault(v => v.View.Stage == TallyStage.Extracted).View,
                Last: g.FirstOrDefault(v => v.View.Stage == TallyStage.End).View))
            .Where(p => p.First is not null && p.Last is not null).Select(p => Grown(p.First, p.Last)).OfType<GrowthView>().ToList();
        return TypedResults.Ok(new TalliesView([.. views.Select(v => v.View)], growth));
    }

    private static GrowthView? Grown(TallyView first, TallyView last)
    {
        var (a, b) = (first.Answer.Value.BacteriaUgPerMl + first.Answer.Value.FungiUgPerMl, last.Answer.Value.BacteriaUgPerMl
            + last.Answer.Value.FungiUgPerMl);
        return a <= 0
            ? null : new GrowthView(last.Of, b / a,
                $"{last.Of}: {Say.Number(b / a, 2)} times the living mass between extraction and the end. That is the brewer's "
                    + $"proof{(b / a < 1.5 ? ", and here it is thin" : "")}.");
    }
}
