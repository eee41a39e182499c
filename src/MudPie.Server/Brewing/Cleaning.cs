using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Ground;
using MudPie.Server.Web;

namespace MudPie.Server.Brewing;

/// <summary>A step of cleaning; when it was last done since the vessel was used.</summary>
public sealed record CleanStepView(string Id, string Name, string Detail, DateTimeOffset? DoneAt);

/// <summary>A vessel and how clean it is.</summary>
/// <param name="HandedTo">Who has it, where it was handed to another holding; null while it is here.</param>
public sealed record CleanView(int VesselId, string Vessel, DateTimeOffset? UsedAt, string? LastBrew, bool InUse, bool Clean,
    string? HandedTo, string Says, IReadOnlyList<CleanStepView> Steps);

/// <summary>A step done.</summary>
public sealed record CleanRequest(string? Step, DateTimeOffset? At);

/// <summary>Cleaning vessels, as steps that are logged.</summary>
public static class Cleaning
{
    /// <summary>What can be done.</summary>
    public static void MapCleaning(this IEndpointRouteBuilder api)
    {
        api.MapGet("/brew/cleaning", Read).ForVisitor("Vessels and how clean they are.");
        api.MapPost("/brew/vessels/{id:int}/clean", Clean).ForHand("A step of cleaning is done.");
    }

    /// <summary>Vessels that have held a brew since they were last logged clean.</summary>
    public static async Task<IReadOnlySet<int>> Unclean(HoldingDb db) =>
        (await All(db)).Where(v => !v.InUse && !v.Clean && v.UsedAt is not null).Select(v => v.VesselId).ToHashSet();

    private static async Task<Ok<List<CleanView>>> Read(HoldingDb db) => TypedResults.Ok(await All(db));

    /// <summary>Every vessel and how clean it is.</summary>
    internal static async Task<List<CleanView>> All(HoldingDb db)
    {
        var rows = await db.Vessels.AsNoTracking().OrderBy(v => v.Id).Select(v => new {
            v.Id,
            v.Name,
            v.HandedTo,
            v.CameUncleanAt,
            Last = db.Batches.Where(b => b.VesselId == v.Id && b.StartedAt != null).OrderByDescending(b => b.StartedAt)
                .Select(b => new { b.Name, b.State, b.StartedAt, b.AirOffAt, b.UseAt }).FirstOrDefault(),
            Done = v.Cleanings.OrderByDescending(c => c.At).Take(40).Select(c => new { c.Step, c.At }).ToList(),
        }).ToListAsync();
        return [.. rows.Select(r =>
        {
            var brewed = r.Last?.AirOffAt ?? r.Last?.StartedAt;
            var cameUnclean = r.CameUncleanAt is { } came && (brewed is null || came > brewed);
            var used = cameUnclean ? r.CameUncleanAt : brewed;
            var since = r.Done.Where(d => used is null || d.At >= used).ToList();
            var clean = used is null || CleanUp.IsClean(since.Select(d => d.Step));
            var inUse = r.Last?.State is BatchState.Brewing or BatchState.Off;
            var left = CleanUp.Steps.Count(s => since.All(d => d.Step != s.Id));
            var says = r.HandedTo is { } who ? $"With {who}." : used is null
                ? "Never used here." : inUse ? "In use." : clean ? "Clean." : since.Count == 0
                ? $"{(cameUnclean ? "It came from another holding, and not clean" : "Not logged clean since its last brew")}: a film left "
                    + "on the walls spoils the next."
                : $"{Say.Count(left, "step")} left.";
            return new CleanView(r.Id, r.Name, used, cameUnclean ? null : r.Last?.Name, inUse, clean, r.HandedTo, says,
                [.. CleanUp.Steps.Select(s => new CleanStepView(s.Id, s.Name, s.Detail, since.FirstOrDefault(d => d.Step == s.Id)?.At))]);
        })];
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Clean(int id, CleanRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var step = fields.OneOf("step", r.Step, [.. CleanUp.Steps.Select(s => s.Id)]);
        var at = fields.Past("at", r.At, clock.Now);
        if (!await db.Vessels.AnyAsync(v => v.Id == id))
        {
            fields.Checks.Add("id", "There is no such vessel.", "Choose from the list.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        var cleaning = new VesselCleaning { VesselId = id, Step = step, At = at, RecordedAt = clock.Now };
        db.Cleanings.Add(cleaning);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(cleaning.Id));
    });
}
