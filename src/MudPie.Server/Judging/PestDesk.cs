using Microsoft.EntityFrameworkCore;
using MudPie.Core.Judging;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Judging;
using MudPie.Server.Web;

namespace MudPie.Server.Judging;

/// <summary>Pests as they are typed.</summary>
public sealed record PestRequest(int? BedId, string? Pest, string? Count, string? Per, string? Threshold, DateTimeOffset? At = null)
{
    /// <summary>On so many plants, m² or metres; then the count is that of all. Empty: the count is the mean.</summary>
    public string? On { get; init; }

    /// <summary>A natural enemy that was counted too.</summary>
    public string? Enemy { get; init; }

    /// <summary>Of it, counted as the pests are.</summary>
    public string? Enemies { get; init; }

    /// <summary>Money instead of a threshold: cost of the control on a hectare or an acre.</summary>
    public string? Cost { get; init; }

    /// <summary>Price of a kg or a lb of the crop.</summary>
    public string? Price { get; init; }

    /// <summary>kg or lb lost on that area by one pest on each.</summary>
    public string? Loss { get; init; }

    /// <summary>Per cent that the control kills.</summary>
    public string? Kills { get; init; }
}

/// <summary>Pests counted.</summary>
/// <param name="At">When.</param>
/// <param name="Pest">Which.</param>
/// <param name="Count">On each.</param>
/// <param name="Per">plant, m² …</param>
/// <param name="Threshold">Worth acting from.</param>
/// <param name="Shown">"12 aphids on 20 plants: 0.6 a plant, threshold 8; ladybirds 0.1".</param>
/// <param name="Typed">As it was typed, to begin the next with.</param>
public sealed record PestView(DateTimeOffset At, string Pest, double Count, string Per, double Threshold, string Shown, PestTyped Typed);

/// <summary>Money of the last count, as it is typed again.</summary>
public sealed record PestTyped(string? On, string? Enemy, string? Cost, string? Price, string? Loss, string? Kills);

/// <summary>Pests and their enemies: counts, thresholds, and when to look again.</summary>
public static class PestDesk
{
    /// <summary>A count speaks for so many days.</summary>
    private const int SpeaksDays = 14;

    /// <summary>What can be done.</summary>
    public static void MapPests(this IEndpointRouteBuilder api)
    {
        api.MapPost("/judge/pests", Keep).ForHand("Writes down pests seen, and their enemies.");
        api.MapPost("/judge/pests/threshold", WorkOut).ForVisitor("From how many pests control pays.");
    }

    /// <summary>A bed's counts, newest first, and what to do by the newest.</summary>
    internal static async Task<(IReadOnlyList<PestView> Seen, Worked<HoldAnswer>? Hold)> Of(int bed, HoldingDb db, HoldingClock clock,
        (bool Good, string Says)? leaves)
    {
        var pests = await db.PestCounts.AsNoTracking().Where(p => p.BedId == bed).OrderByDescending(p => p.At).ThenByDescending(p => p.Id)
            .Take(20).ToListAsync();
        var hold = pests.FirstOrDefault() is { } p && p.At > clock.Now.AddDays(-SpeaksDays) ? Advice(p, leaves) : null;
        return ([.. pests.Select(View)], hold);
    }

    private static Worked<HoldAnswer>? Advice(PestCount p, (bool Good, string Says)? leaves)
    {
        var hold = HoldOrSpray.Of(leaves?.Good, leaves?.Says ?? "", p.Pest, p.Count, p.Threshold, new PestBeside(p.Counted, p.Units,
            p.Enemy, p.EnemyEach, p.ControlCost is not null));
        return hold.Refused is null ? hold.Worked : null;
    }

    /// <summary>Looks at pests that are due, most overdue first.</summary>
    internal static async Task<List<(int BedId, string Bed, string Pest, DateTimeOffset Due, string Says)>> Due(HoldingDb db,
        HoldingClock clock) => [.. (await Looks(db, clock)).Where(d => d.Due <= clock.Now)];

    /// <summary>When pests are to be looked at again, by the advice that their bed's page gives, soonest first.</summary>
    internal static async Task<List<(int BedId, string Bed, string Pest, DateTimeOffset Due, string Says)>> Looks(HoldingDb db,
        HoldingClock clock)
    {
        var since = clock.Now.AddDays(-SpeaksDays);
        var newest = await db.PestCounts.AsNoTracking().Where(p => p.At > since
                && !db.PestCounts.Any(q => q.BedId == p.BedId && q.Pest == p.Pest && (q.At > p.At || (q.At == p.At && q.Id > p.Id))))
            .Join(db.Beds, p => p.BedId, b => b.Id, (p, b) => new { p, b.Name })
            .OrderByDescending(x => x.p.At).ThenBy(x => x.p.Id).Take(40).ToListAsync();
        var due = new List<(int, string, string, DateTimeOffset Due, string)>();
        foreach (var x in newest)
        {
            if (Advice(x.p, await BrixBedEndpoints.Leaves(x.p.BedId, db, clock)) is { } advice)
            {
                due.Add((x.p.BedId, x.Name, x.p.Pest, x.p.At.AddDays(advice.Value.LookAgainDays),
                    $"{Say.Number(x.p.Count)} a {x.p.Per} last, worth acting from "
                    + Say.Number(x.p.Threshold)));
            }
        }

        return [.. due.OrderBy(d => d.Due)];
    }

    private static PestView View(PestCount p) => new(p.At, p.Pest, p.Count, p.Per, p.Threshold, string.Concat(
        p is { Counted: { } all, Units: { } units } ? $"{Say.Number(all)} {p.Pest} on {Say.Number(units)}: {Say.Number(p.Count)} a {p.Per}"
            : $"{Say.Number(p.Count)} {p.Pest} a {p.Per}", $", threshold {Say.Number(p.Threshold)}",
        p.ControlCost is null ? "" : " from money", p.Enemy is null ? "" : $"; {p.Enemy} {Say.Number(p.EnemyEach ?? 0)}"),
        new PestTyped(Text(p.Units), p.Enemy, Text(p.ControlCost), Text(p.CropPrice), Text(p.LossByOne), Text(p.KillShare * 100)));

    private static string? Text(double? figure) => figure is { } f ? Say.Number(f, 4) : null;

    private static PestMoney? Money(PestRequest r, TypedFields fields)
    {
        double? Read(string field, string? typed) => fields.Optional(field, typed, Dimension.Plain, 0, 1e7);
        return new[] { r.Cost, r.Price, r.Loss, r.Kills }.All(string.IsNullOrWhiteSpace) ? null
            : new PestMoney(Read("cost", r.Cost), Read("price", r.Price), Read("loss", r.Loss), Read("kills", r.Kills) / 100);
    }

    private static Ruling<double> Threshold(PestMoney money)
    {
        var worked = HoldOrSpray.Threshold(money);
        return worked.Refused is { } no
            ? new Refusal([.. no.Problems.Select(p => p.Field == "killShare" ? p with { Field = "kills" } : p)]) : worked.Worked;
    }

    private static async Task<Results<Ok<Worked<double>>, Refused>> WorkOut(PestRequest r, HoldingClock clock)
    {
        var fields = new TypedFields(await clock.Units());
        var money = Money(r, fields) ?? new PestMoney(null, null, null, null);
        if (!fields.Checks.Sound)
        {
            return Problems.Of(fields.Checks.Refusal);
        }

        var worked = Threshold(money);
        return worked.Refused is { } no ? Problems.Of(no) : TypedResults.Ok(worked.Worked);
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Keep(PestRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var entry = Entry(r, fields, clock.Now);
        var money = Money(r, fields);
        if (money is null)
        {
            entry.Threshold = fields.Quantity("threshold", r.Threshold, Dimension.Plain, 0.01, 100_000,
                "Take it from your local advice for that pest and crop, or work it out from money.");
        }
        else if (fields.Checks.Sound)
        {
            var worked = Threshold(money);
            if (worked.Refused is { } no)
            {
                fields.Checks.Add(no);
            }
            else if (worked.Value is < 0.01 or > 100_000)
            {
                fields.Checks.Add("cost", $"That makes a threshold of {Say.Number(worked.Value)}.", "Look at cost, price and loss again.");
            }
            else
            {
                (entry.Threshold, entry.ControlCost, entry.CropPrice, entry.LossByOne, entry.KillShare) = (worked.Value, money.Cost,
                    money.Price, money.Loss, money.KillShare);
            }
        }

        if (!await db.Beds.AnyAsync(b => b.Id == r.BedId))
        {
            fields.Checks.Add("bedId", "No bed was chosen.", "Choose the bed that you counted on.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        db.PestCounts.Add(entry);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(entry.Id));
    });

    private static PestCount Entry(PestRequest r, TypedFields fields, DateTimeOffset now)
    {
        var entry = new PestCount {
            BedId = r.BedId ?? 0,
            At = fields.Past("at", r.At, now),
            RecordedAt = now,
            Pest = fields.Name("pest", r.Pest, "the pest"),
            Count = fields.Quantity("count", r.Count, Dimension.Plain, 0, 100_000),
            Per = fields.OneOf("per", r.Per ?? "plant", "plant", "m²", "sq ft", "m of row", "ft of row"),
        };
        var on = fields.Optional("on", r.On, Dimension.Plain, 0.01, 100_000, "Plants, or area, or metres that you looked at.");
        var enemies = fields.Optional("enemies", r.Enemies, Dimension.Plain, 0, 100_000);
        if (enemies is not null && string.IsNullOrWhiteSpace(r.Enemy))
        {
            fields.Checks.Add("enemy", "It is not said what was counted.", "Say which: ladybirds, hoverfly grubs, parasitised ones.");
        }

        if (enemies is not null || !string.IsNullOrWhiteSpace(r.Enemy))
        {
            entry.Enemy = string.IsNullOrWhiteSpace(r.Enemy) ? null : fields.Name("enemy", r.Enemy, "it");
            entry.EnemyEach = (enemies ?? 0) / (on ?? 1);
        }

        if (on is { } units)
        {
            (entry.Counted, entry.Units, entry.Count) = (entry.Count, units, entry.Count / units);
        }

        return entry;
    }
}
