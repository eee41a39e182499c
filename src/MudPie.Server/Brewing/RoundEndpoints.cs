using System.Globalization;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Server.Weather;
using MudPie.Server.Web;

namespace MudPie.Server.Brewing;

/// <summary>How often a brew is to come again.</summary>
public sealed record RoundRequest(Every? Every);

/// <summary>A time at which a brew comes again.</summary>
/// <param name="At">When it is to be put out: moved to the next window where the weather is known, else at its hour.</param>
/// <param name="Moved">What moved it; null where it lies at its own hour.</param>
public sealed record RoundTime(DateTimeOffset At, string? Moved);

/// <summary>A brew that comes again on the same beds.</summary>
/// <param name="Id">Its number.</param>
/// <param name="BatchId">The brew that it repeats.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Says">"every week on Ridge Bed 4, Ridge Bed 5".</param>
/// <param name="Times">When it comes again, soonest first.</param>
/// <param name="Link">Where the next one is planned, with all of it filled in.</param>
public sealed record RoundView(int Id, int BatchId, string Name, string Says, IReadOnlyList<RoundTime> Times, string Link);

/// <summary>Brewing it again: once, or every so often.</summary>
public static class RoundEndpoints
{
    /// <summary>What can be asked and done.</summary>
    public static void MapRounds(this IEndpointRouteBuilder api)
    {
        api.MapGet("/brew/batches/{id:int}/again", Again)
            .ForVisitor("The same brew as a plan: beds, kit, amounts; its hour is asked anew.");
        api.MapPost("/brew/batches/{id:int}/rounds", Begin).ForHand("The same brew again, every week, other week or month.");
        api.MapGet("/brew/rounds", List).ForVisitor("Brews that come again, and when.");
        api.MapPost("/brew/rounds/{id:int}/stop", Stop).ForHand("It comes no more.");
    }

    private static async Task<Results<Ok<PlanRequest>, Missing>> Again(int id, HoldingDb db)
    {
        var b = await db.Batches.AsNoTracking().Include(x => x.Beds).FirstOrDefaultAsync(x => x.Id == id);
        return b is null ? Problems.NotFound("batch") : TypedResults.Ok(new PlanRequest {
            BedIds = [.. b.Beds.Select(x => x.BedId)],
            Purpose = b.Purpose,
            Making = b.Making,
            VesselId = b.VesselId,
            PumpId = b.PumpId,
            DiffuserId = b.DiffuserId,
            WaterSourceId = b.WaterSourceId,
            BrewL = b.BrewL,
            Source = b.Brew.Sources?.FirstOrDefault()?.Kind,
            SourceL = b.Brew.Sources?.FirstOrDefault()?.Litres,
            MoreSources = b.Brew.Sources is { Count: > 1 } more ? [.. more.Skip(1)] : null,
            Foods = [.. (b.Brew.Foods ?? []).Select(f => new FoodAsked { Kind = f.Kind, Ml = f.Ml, AtH = f.AtH })],
            WarmthC = b.Brew.TemperatureC,
            SwingC = b.Brew.SwingC,
            Recipe = b.RecipeVersionId is { } v ? $"v:{v}" : null,
            RoundId = b.RoundId,
        });
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Begin(int id, RoundRequest r, HoldingDb db, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        if (r.Every is not { } every || !Enum.IsDefined(every))
        {
            return Refusal.Of("every", "It is not said how often.", "Choose every week, every other week or every month.");
        }

        if (await db.Batches.FirstOrDefaultAsync(b => b.Id == id) is not { } batch)
        {
            return Refusal.Of("id", "There is no such batch.", "Open it from the list.");
        }

        if (await db.Rounds.FirstOrDefaultAsync(x => x.StoppedAt == null && (x.BatchId == id || x.Id == batch.RoundId)) is { } going)
        {
            return Refusal.Of("every", $"It comes again {Rounds.Says(going.Every)} already.", "Stop that first.");
        }

        var round = new BrewRound { BatchId = id, Every = every };
        db.Rounds.Add(round);
        await db.SaveChangesAsync();
        batch.RoundId = round.Id;
        return Writes.Done(new Kept(round.Id));
    });

    private static Task<Results<Written<Kept>, Refused, Clash>> Stop(int id, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        if (await db.Rounds.FirstOrDefaultAsync(x => x.Id == id && x.StoppedAt == null) is not { } round)
        {
            return Refusal.Of("id", "It comes no more already.", "Nothing more is to be done.");
        }

        round.StoppedAt = clock.Now;
        return Writes.Done(new Kept(id));
    });

    private static async Task<Ok<List<RoundView>>> List(HoldingDb db, HoldingClock clock, WeatherBook weather) =>
        TypedResults.Ok(await Of(db, clock, weather));

    /// <summary>All that go on, each with its times to come.</summary>
    internal static async Task<List<RoundView>> Of(HoldingDb db, HoldingClock clock, WeatherBook weather)
    {
        var rounds = await db.Rounds.AsNoTracking().Where(r => r.StoppedAt == null).OrderBy(r => r.Id).Take(50)
            .Select(r => new {
                r.Id, r.BatchId, r.Every, r.Batch.Name, r.Batch.Purpose, r.Batch.UseAt,
                Beds = r.Batch.Beds.Select(b => b.Bed.Name).ToList(),
                Last = db.Batches.Where(b => b.RoundId == r.Id).Max(b => (DateTimeOffset?)b.UseAt),
            }).ToListAsync();
        if (rounds.Count == 0)
        {
            return [];
        }

        var (now, local, holding) = (clock.Now, await clock.Local(), (await clock.Find())!);
        var known = await weather.Hours(now.AddHours(-1), now.AddHours(112));
        // beyond the weather only the sun is known, and its hour was chosen by that already
        var reach = known.Count == 0 ? now : known.Max(w => w.At);
        return [.. rounds.Select(r =>
        {
            var times = Rounds.Of(r.UseAt, r.Last ?? r.UseAt, r.Every, now, local, there => LocalTimes.Of(there, local)).Select(at =>
            {
                var fits = at > reach ? at : SprayWindows.FirstFit(r.Purpose == Purpose.Leaf, at, holding.SunLatitude,
                    holding.SunLongitude, known);
                return new RoundTime(fits, fits == at ? null : $"moved from {Say.Clock(at, now, local)} to the next window");
            }).ToList();
            return new RoundView(r.Id, r.BatchId, r.Name, $"{Rounds.Says(r.Every)} on {string.Join(", ", r.Beds)}", times,
                $"/brew/plan?again={r.BatchId}&round={r.Id}" + (times.Count > 0
                    ? $"&at={Uri.EscapeDataString(times[0].At.ToUniversalTime().ToString("O", CultureInfo.InvariantCulture))}"
                    : ""));
        })];
    }
}
