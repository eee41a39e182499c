using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.PuttingOut;
using MudPie.Server.Web;

namespace MudPie.Server.PuttingOut;

/// <summary>One thing in a tank, on a bed or in a sprayer, as typed.</summary>
public sealed record MixItemAsked(string? Name, string? Class, string? DaysAgo = null, string? Bed = null, string? Ph = null,
    string? MgPerL = null);

/// <summary>What is to go together, as typed.</summary>
public sealed record MixAsked(
    IReadOnlyList<MixItemAsked>? Tank, IReadOnlyList<MixItemAsked>? Lately, IReadOnlyList<MixItemAsked>? HeldLast, string? Ph,
    string? SaltsMsPerCm, string? TemperatureC, string? ChlorineMgPerL);

/// <summary>A rule from a label, as typed.</summary>
public sealed record MixRuleRequest(string? A, string? B, bool Together, string? WaitDays, string? Why);

/// <summary>A rule that stands, with the grower's own number where it is one.</summary>
public sealed record MixRuleView(int? Id, string A, string B, string AName, string BName, bool Together, double WaitDays, string Why,
    Evidence Sure, bool Own, DateTimeOffset? At, string Says, bool Gas, string Source);

/// <summary>Kinds and rules of mixing.</summary>
public sealed record MixRulesView(IReadOnlyList<MixClass> Classes, IReadOnlyList<MixRuleView> Rules);

/// <summary>Mixing rules.</summary>
public static class MixEndpoints
{
    /// <summary>What can be done.</summary>
    public static void MapMixing(this IEndpointRouteBuilder api)
    {
        api.MapGet("/put-out/mixing", Read).ForVisitor("Kinds and rules of mixing.");
        api.MapPost("/put-out/mixing/work-out", (MixAsked q, HoldingDb db, HoldingClock clock) => Ask(q, db, clock))
            .ForVisitor("May these stand in one tank?");
        api.MapPost("/put-out/mixing/rules", Keep).ForHand("Keeps a rule of the grower's own.");
        api.MapPost("/put-out/mixing/rules/{id:int}/end", End).ForHand("Ends such a rule.");
    }

    private static async Task<Ok<MixRulesView>> Read(HoldingDb db)
    {
        MixRuleView View(MixRule r, int? id, DateTimeOffset? at) =>
            new(id, r.A, r.B, MixingRules.NameOf(r.A) ?? r.A, MixingRules.NameOf(r.B) ?? r.B, r.Together, r.WaitDays, r.Why, r.Sure, r.Own,
                at, r.Says, r.Gas, r.Source);
        var own = (await db.MixRules.ThatStand().AsNoTracking().ToListAsync()).Select(m =>
            View(new MixRule(m.A, m.B, m.Together, m.WaitDays, m.Why, Evidence.MeasuredHere, true), m.Id, m.At));
        return TypedResults.Ok(new MixRulesView(MixingRules.Classes,
            [.. own, .. MixingRules.House.Where(r => r.A != r.B).OrderBy(r => r.Gas ? 0 : r.Says == "never" ? 1 : r.Says == "fine" ? 2 : 3)
                .Select(r => View(r, null, null))]));
    }

    private static async Task<Results<Ok<Worked<MixAnswer>>, Refused>> Ask(MixAsked q, HoldingDb db, HoldingClock clock)
    {
        var fields = new TypedFields(await clock.Units());
        List<MixItem> Items(string name, IReadOnlyList<MixItemAsked>? asked) =>
            [.. (asked ?? []).Where(i => i is not null).Take(20).Select((i, n) => new MixItem(
            (i.Name ?? "").Trim() is { Length: > 0 and <= 80 } said ? said : MixingRules.NameOf(i.Class ?? "") ?? "something",
            i.Class ?? "",
            fields.Optional($"{name}[{n}].daysAgo", i.DaysAgo, Dimension.Plain, 0, 3650), i.Bed,
            fields.Optional($"{name}[{n}].ph", i.Ph, Dimension.Plain, 0, 14),
            fields.Optional($"{name}[{n}].mgPerL", i.MgPerL, Dimension.Concentration, 0, 200_000)))];
        var question = new MixQuestion {
            Tank = Items("tank", q.Tank),
            Lately = Items("lately", q.Lately),
            HeldLast = Items("heldLast", q.HeldLast),
            Ph = fields.Optional("ph", q.Ph, Dimension.Plain, 1, 13),
            SaltsMsPerCm = fields.Optional("saltsMsPerCm", q.SaltsMsPerCm, Dimension.Plain, 0, 50),
            TemperatureC = fields.Optional("temperatureC", q.TemperatureC, Dimension.Temperature, -5, 60),
            ChlorineMgPerL = fields.Optional("chlorineMgPerL", q.ChlorineMgPerL, Dimension.Concentration, 0, 10),
            Own = await TankMixing.OwnRules(db),
        };
        return fields.Checks.Sound ? Problems.Answer(MixingRules.Of(question)) : Problems.Of(fields.Checks.Refusal);
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Keep(MixRuleRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        string[] classes = [.. MixingRules.Classes.Select(c => c.Id)];
        var rule = new OwnMixRule {
            A = fields.OneOf("a", r.A, classes), B = fields.OneOf("b", r.B, classes), Together = r.Together,
            WaitDays = string.IsNullOrWhiteSpace(r.WaitDays) ? 0 : fields.Quantity("waitDays", r.WaitDays, Dimension.Plain, 0, 365),
            Why = (r.Why ?? "").Trim(), At = clock.Now
        };
        if (rule.Why.Length is < 5 or > 300)
        {
            fields.Checks.Add("why", "It is not said where the rule is from.", "Name the label in five to 300 letters.");
        }

        if (rule.Together && MixingRules.Find(rule.A, rule.B, []) is { Gas: true } gas)
        {
            fields.Checks.Add("b", $"Never: {gas.Why}",
                "No label sets that aside: use one, wash everything, and the other on another day.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        foreach (var old in await db.MixRules.ThatStand().Where(m => ((m.A == rule.A && m.B == rule.B) || (m.A == rule.B && m.B == rule.A)))
            .ToListAsync())
        {
            old.EndedAt = clock.Now;
        }

        db.MixRules.Add(rule);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(rule.Id));
    });

    private static Task<Results<Written<Kept>, Refused, Clash>> End(int id, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        if (await db.MixRules.ThatStand().FirstOrDefaultAsync(m => m.Id == id) is not { } rule)
        {
            return Refusal.Of("id", "That rule does not stand.", "Load the list again.");
        }

        rule.EndedAt = clock.Now;
        return Writes.Done(new Kept(id));
    });
}
