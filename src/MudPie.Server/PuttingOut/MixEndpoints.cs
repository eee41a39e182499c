using Microsoft.EntityFrameworkCore;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.PuttingOut;
using MudPie.Server.Web;

namespace MudPie.Server.PuttingOut;

/// <summary>A rule from a label, as typed.</summary>
public sealed record MixRuleRequest(string? A, string? B, bool Together, string? WaitDays, string? Why);

/// <summary>A rule that stands, with the grower's own number where it is one.</summary>
public sealed record MixRuleView(int? Id, string A, string B, string AName, string BName, bool Together, double WaitDays, string Why, Evidence Sure, bool Own, DateTimeOffset? At);

/// <summary>Kinds and rules of mixing.</summary>
public sealed record MixRulesView(IReadOnlyList<MixClass> Classes, IReadOnlyList<MixRuleView> Rules);

/// <summary>Mixing rules.</summary>
public static class MixEndpoints
{
    /// <summary>What can be done.</summary>
    public static void MapMixing(this IEndpointRouteBuilder api)
    {
        api.MapGet("/put-out/mixing", Read).Produces<MixRulesView>();
        api.MapPost("/put-out/mixing/work-out", (MixQuestion q, HoldingDb db) => Ask(q, db)).Produces<Worked<MixAnswer>>().ProducesProblem(422);
        api.MapPost("/put-out/mixing/rules", Keep).Produces<Kept>().ProducesProblem(422);
        api.MapPost("/put-out/mixing/rules/{id:int}/end", End).Produces<Kept>().ProducesProblem(422);
    }

    private static async Task<IResult> Read(HoldingDb db)
    {
        MixRuleView View(MixRule r, int? id, DateTimeOffset? at) => new(id, r.A, r.B, MixingRules.NameOf(r.A) ?? r.A, MixingRules.NameOf(r.B) ?? r.B, r.Together, r.WaitDays, r.Why, r.Sure, r.Own, at);
        var own = (await db.MixRules.AsNoTracking().Where(m => m.EndedAt == null).OrderByDescending(m => m.Id).ToListAsync()).Select(m => View(new MixRule(m.A, m.B, m.Together, m.WaitDays, m.Why, Evidence.MeasuredHere, true), m.Id, m.At));
        return TypedResults.Ok(new MixRulesView(MixingRules.Classes, [.. own, .. MixingRules.House.Select(r => View(r, null, null))]));
    }

    private static async Task<IResult> Ask(MixQuestion q, HoldingDb db) => Problems.Answer(MixingRules.Of(q with { Own = await TankJobs.OwnRules(db) }));

    private static Task<IResult> Keep(MixRuleRequest r, HoldingDb db, HoldingClock clock, Writes writes) => writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        string[] classes = [.. MixingRules.Classes.Select(c => c.Id)];
        var rule = new OwnMixRule { A = fields.OneOf("a", r.A, classes), B = fields.OneOf("b", r.B, classes), Together = r.Together, WaitDays = string.IsNullOrWhiteSpace(r.WaitDays) ? 0 : fields.Quantity("waitDays", r.WaitDays, Core.Measures.Dimension.Plain, 0, 365), Why = (r.Why ?? "").Trim(), At = clock.Now };
        if (rule.Why.Length is < 5 or > 300)
        {
            fields.Checks.Add("why", "It is not said where the rule is from.", "Name the label in five to 300 letters.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        foreach (var old in await db.MixRules.Where(m => m.EndedAt == null && ((m.A == rule.A && m.B == rule.B) || (m.A == rule.B && m.B == rule.A))).ToListAsync())
        {
            old.EndedAt = clock.Now;
        }

        db.MixRules.Add(rule);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(rule.Id));
    });

    private static Task<IResult> End(int id, HoldingDb db, HoldingClock clock, Writes writes) => writes.Do<Kept>(async () =>
    {
        if (await db.MixRules.FirstOrDefaultAsync(m => m.Id == id && m.EndedAt == null) is not { } rule)
        {
            return Refusal.Of("id", "That rule does not stand.", "Load the list again.");
        }

        rule.EndedAt = clock.Now;
        return Writes.Done(new Kept(id));
    });
}
