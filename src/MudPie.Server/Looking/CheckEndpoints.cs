using Microsoft.EntityFrameworkCore;
using MudPie.Core.Looking;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Looking;
using MudPie.Server.Web;

namespace MudPie.Server.Looking;

/// <summary>Why something is struck.</summary>
public sealed record CheckStrikeRequest(string? Why);

/// <summary>Checks at pegs.</summary>
public static class CheckEndpoints
{
    /// <summary>What can be asked and done.</summary>
    public static void MapChecks(this IEndpointRouteBuilder api)
    {
        api.MapPost("/look/checks", Keep).ForHand("A check at a peg is written down; it may put an earlier one right.");
        api.MapPost("/look/checks/read", Read).ForVisitor("What a check says, as it is tapped.");
        api.MapPost("/look/checks/{id:int}/strike", Strike).ForHand("A check is struck: it stays readable, and counts no more.");
        api.MapPost("/look/beds/{id:int}/dose", Dose).ForHand("A bed keeps the full dose, or goes by its checks.");
    }

    private static async Task<Results<Ok<Worked<CheckAnswer>>, Refused>> Read(CheckRequest r, HoldingDb db, HoldingClock clock)
    {
        var fields = new TypedFields(await clock.Units());
        var asked = Warm(await Weeks(r.Check ?? new CheckAsked(), r.PegId, clock.Now, db), r, fields);
        var read = CheckReading.Of(asked);
        if (read.Refused is { } no)
        {
            fields.Checks.Add(no, "check.");
        }

        return fields.Checks.Sound ? TypedResults.Ok(read.Worked) : Problems.Of(fields.Checks.Refusal);
    }

    /// <summary>A strip of cotton that was laid in at this peg lay there since: its weeks need not be typed.</summary>
    private static async Task<CheckAsked> Weeks(CheckAsked asked, int? peg, DateTimeOffset at, HoldingDb db)
    {
        if (asked is not { Kind: CheckKind.Cotton, Buried: false, Weeks: null } || peg is null)
        {
            return asked;
        }

        var laid = await db.GroundChecks.ThatStand().AsNoTracking().Where(c => c.PegId == peg && c.Kind == CheckKind.Cotton && c.At < at
            && c.Life == null).OrderByDescending(c => c.At).Select(c => (DateTimeOffset?)c.At).FirstOrDefaultAsync();
        return laid is null ? asked : asked with { Weeks = Math.Round((at - laid.Value).TotalDays / 7, 1) };
    }

    /// <summary>Its warmth as it was typed, in °C.</summary>
    private static CheckAsked Warm(CheckAsked asked, CheckRequest r, TypedFields fields) =>
        fields.Optional("warmth", r.Warmth, Dimension.Temperature, -20, 50) is { } c ? asked with { SoilC = c } : asked;

    private static Task<Results<Written<Kept>, Refused, Clash>> Keep(CheckRequest r, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        var old = r.CorrectsId is null ? null : await db.GroundChecks.ThatStand().AsNoTracking()
            .FirstOrDefaultAsync(c => c.Id == r.CorrectsId && c.PegId == r.PegId);
        var at = old is not null && r.At is null ? old.At : fields.Past("at", r.At, clock.Now);
        if (!await db.Pegs.AnyAsync(p => p.Id == r.PegId))
        {
            fields.Checks.Add("pegId", "No peg was chosen.", "Choose the peg that you stand at.");
        }

        var asked = Warm(await Weeks(r.Check ?? new CheckAsked(), r.PegId, at, db), r, fields);
        var read = CheckReading.Of(asked);
        if (read.Refused is { } no)
        {
            fields.Checks.Add(no, "check.");
        }

        if (r.Who is { Length: > 60 })
        {
            fields.Checks.Add("who", "That is too long.", "Say who looked by their role.");
        }

        var hours = fields.Optional("rainHours", r.RainHours, Dimension.Plain, 0, 2000, "Hours since it last rained.");
        var mm = Depth(fields, r.Rain);
        if (r.CorrectsId is not null && (old is null || (asked.Kind is { } kind && kind != old.Kind)))
        {
            fields.Checks.Add("correctsId", "That check does not stand any more.", "Load the page again.");
        }

        if (r.CorrectsId is not null && (string.IsNullOrWhiteSpace(r.Why) || r.Why.Length > 200))
        {
            fields.Checks.Add("why", "It is not said what was wrong.", "A few words: what was wrong with the one that stands.");
        }

        if (!fields.Checks.Sound)
        {
            return fields.Checks.Refusal;
        }

        var check = db.GroundChecks.Add(Entry(r.PegId!.Value, asked, read.Value, at, clock.Now)).Entity;
        // What is put right was found in the same hour, on the same ground, unless something else is said.
        (check.Wet, check.RainHours, check.RainMm) = (r.Wet ?? old?.Wet, hours ?? old?.RainHours, mm ?? old?.RainMm);
        check.Who = string.IsNullOrWhiteSpace(r.Who) ? old?.Who : r.Who.Trim();
        (check.CorrectsId, check.Why) = (r.CorrectsId, r.CorrectsId is null ? null : r.Why!.Trim());
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(check.Id));
    });

    private static GroundCheck Entry(int peg, CheckAsked asked, CheckAnswer read, DateTimeOffset at, DateTimeOffset now) => new() {
        PegId = peg, At = at, RecordedAt = now, Kind = asked.Kind!.Value, Asked = asked, Figure = read.Figure, Lower = read.Lower,
        Upper = read.Upper, Life = read.Life, Shown = read.Shown
    };

    /// <summary>A depth of rain: mm, or inches where the holding goes by feet or it says so.</summary>
    internal static double? Depth(TypedFields fields, string? typed, string field = "rain") => string.IsNullOrWhiteSpace(typed) ? null
        : Rainfall.Read(typed, fields.Units) is { } mm && mm is >= 0 and <= 500 ? mm : Wrong(fields, field, typed);

    private static double? Wrong(TypedFields fields, string field, string typed)
    {
        fields.Checks.Add(field, $"“{(typed.Length > 30 ? typed[..30] : typed)}” is no depth of water.",
            "Write 12 or 12 mm, or 0.5 in; up to 500 mm.");
        return null;
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Strike(int id, CheckStrikeRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) => writes.Do<Kept>(async () =>
    {
        if (await db.GroundChecks.ThatStand().AsNoTracking().FirstOrDefaultAsync(c => c.Id == id) is not { } check)
        {
            return Refusal.Of("id", "That check does not stand any more.", "Load the page again.");
        }

        if (string.IsNullOrWhiteSpace(r.Why) || r.Why.Length > 200)
        {
            return Refusal.Of("why", "It is not said why.", "A few words: the wrong peg, a count that was lost.");
        }

        var strike = db.GroundChecks.Add(new GroundCheck {
            PegId = check.PegId, At = check.At, RecordedAt = clock.Now, Kind = check.Kind, Asked = check.Asked, Shown = check.Shown,
            CorrectsId = id, Strikes = true, Why = r.Why.Trim()
        }).Entity;
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(strike.Id));
    });

    private static Task<Results<Written<Kept>, Refused, Clash>> Dose(int id, FullDoseRequest r, HoldingDb db, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        if (await db.Beds.FirstOrDefaultAsync(b => b.Id == id) is not { } bed)
        {
            return Refusal.Of("id", "That bed is not there.", "Load the page again.");
        }

        bed.KeepsFullDose = r.KeepsFull;
        return Writes.Done(new Kept(id));
    });
}
