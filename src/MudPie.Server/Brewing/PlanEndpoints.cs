using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Server.Weather;
using MudPie.Server.Web;

namespace MudPie.Server.Brewing;

/// <summary>What the grower chose for a plan, by number of bed and kit.</summary>
public sealed record PlanRequest
{
    public IReadOnlyList<int> BedIds { get; init; } = [];

    public Purpose? Purpose { get; init; }

    public DateTimeOffset? UseAt { get; init; }

    public int? VesselId { get; init; }

    public int? PumpId { get; init; }

    public int? DiffuserId { get; init; }

    public int? WaterSourceId { get; init; }

    public double? WarmthC { get; init; }

    public double? SwingC { get; init; }

    public string? Source { get; init; }

    public Making? Making { get; init; }

    public double? BrewL { get; init; }

    public double? SourceL { get; init; }

    public IReadOnlyList<FoodAsked>? Foods { get; init; }

    public double? AirLpm { get; init; }

    public IReadOnlyDictionary<string, string>? Choices { get; init; }

    /// <summary>For a dunked extract: fresh loads, 1 to 6.</summary>
    public int? Loads { get; init; }

    /// <summary>A recipe: "start:3" of the starting set, or "v:12" for a version of the grower's own.</summary>
    public string? Recipe { get; init; }

    /// <summary>The lot of source; Mud Pie's choice when not given.</summary>
    public int? SourceInputId { get; init; }

    /// <summary>Other sources beside the first, in litres.</summary>
    public IReadOnlyList<SourceAmount>? MoreSources { get; init; }

    /// <summary>What it is to be put out with, as typed.</summary>
    public RaceAsked? Race { get; init; }

    /// <summary>It is begun now: no hour of use is asked; it runs forward to the first window that it can meet.</summary>
    public bool StartNow { get; init; }

    /// <summary>The round that it belongs to: the same brew again.</summary>
    public int? RoundId { get; init; }

    /// <summary>A name for the batch, when it is kept.</summary>
    public string? Name { get; init; }
}

/// <summary>A food that is asked for.</summary>
public sealed record FoodAsked
{
    /// <summary>Kind of food.</summary>
    public string? Kind { get; init; }

    /// <summary>How much, mL.</summary>
    public double? Ml { get; init; }

    /// <summary>The same in litres, in its place.</summary>
    public double? Litres { get; init; }

    /// <summary>When it goes in, hours from the start.</summary>
    public double? AtH { get; init; }

    /// <summary>As a brew takes it.</summary>
    public FoodAmount Amount() => new() { Kind = Kind, Ml = Litres * 1000 ?? Ml, AtH = AtH };
}

/// <summary>An amount as it is shown: in the holding's units, and in tools with the error of rounding to them.</summary>
public sealed record AmountView(string Kind, string Name, double Litres, double MostL, bool OnShelf, string Shown, string InTools,
    string ToolError, double AtH, IReadOnlyList<FoodAmount> InParts);

/// <summary>Where a food stands to what the brew carries.</summary>
/// <param name="Kind">Which food.</param>
/// <param name="AtH">When it goes in, h.</param>
/// <param name="CarriedL">With this much nine brews in ten stay above 6 mg/L, L; null where it was not asked.</param>
/// <param name="EdgeL">With this much the middle brew stands at 6 mg/L, L.</param>
public sealed record FoodMark(string Kind, double AtH, double? CarriedL, double? EdgeL);

/// <summary>A plan with its amounts ready to read out, and the kit that it is for.</summary>
public sealed record PlanView
{
    public required int VesselId { get; init; }

    public required int PumpId { get; init; }

    public required int DiffuserId { get; init; }

    public required int WaterSourceId { get; init; }

    public required int? SourceInputId { get; init; }

    public required string? SourceLot { get; init; }

    public required string? SourceSays { get; init; }

    public required string? RecipeName { get; init; }

    public required WayOfMaking MakingIs { get; init; }

    public required BrewPlanAnswer Plan { get; init; }

    /// <summary>How much of each food is carried, and where its edge is.</summary>
    public required IReadOnlyList<FoodMark> FoodMarks { get; init; }

    public required string BrewShown { get; init; }

    public required string WantedShown { get; init; }

    public required string CoversShown { get; init; }

    public required string AirShown { get; init; }

    public required string BoxShown { get; init; }

    public required string LeastAirShown { get; init; }

    public required string WarmthShown { get; init; }

    public required string SwingShown { get; init; }

    public required AmountView Source { get; init; }

    public required IReadOnlyList<AmountView> MoreSources { get; init; }

    public required IReadOnlyList<AmountView> AddableSources { get; init; }

    public required string WaterSays { get; init; }

    public required IReadOnlyList<AmountView> Foods { get; init; }

    public required IReadOnlyList<string> Waits { get; init; }

    public required RaceView? Race { get; init; }

    /// <summary>Of one that is begun now: where it comes out; null for one that is planned back from an hour.</summary>
    public string? ForwardSays { get; init; }

    /// <summary>Lots that the other sources would be taken from.</summary>
    public IReadOnlyList<int> MoreLots { get; init; } = [];
}

/// <summary>An hour to begin a plan with.</summary>
public sealed record PlanHour(DateTimeOffset At);

/// <summary>Planning.</summary>
public static class PlanEndpoints
{
    /// <summary>What can be asked.</summary>
    public static void MapPlans(this IEndpointRouteBuilder api)
    {
        api.MapGet("/brew/plan/hour", Hour).ForVisitor("An hour for a plan to be ready at: the first that suits, two days on or later.");
        api.MapPost("/brew/plan", WorkOut).ForVisitor("Plans a brew: amounts, air, forecast, steps, race to the ground.");
        api.MapPost("/brew/batches", Keep).ForHand("Keeps a plan.");
    }

    /// <summary>Seven in the morning, late enough for any brew to be ready; or the first half hour after it that neither dark nor known
    /// weather spoils.</summary>
    private static async Task<Ok<PlanHour>> Hour(HoldingClock clock, WeatherBook weather, string? purpose = null)
    {
        var local = await clock.Local();
        var day = local(clock.Now.AddHours(48 + 17));
        var seven = day.Date.AddHours(7) is var at ? new DateTimeOffset(at, local(new DateTimeOffset(at, day.Offset)).Offset) : day;
        return TypedResults.Ok(new PlanHour(await clock.Find() is { } holding
            ? SprayWindows.FirstFit(Words.Read<Purpose>(purpose) != Purpose.Root, seven, holding.SunLatitude, holding.SunLongitude,
                await weather.Hours(seven.AddHours(-1), seven.AddHours(55))) : seven));
    }

    private static async Task<Results<Ok<Worked<PlanView>>, Refused>> WorkOut(PlanRequest request, PlanDesk desk) =>
        Problems.Answer(await desk.Plan(request));

    private static async Task<Results<Written<Kept>, Refused, Clash>> Keep(PlanRequest request, PlanDesk desk, HoldingDb db,
        HoldingClock clock, Writes writes) =>
        await writes.Do(async () =>
    {
        var plan = await desk.Plan(request);
        if (plan.Refused is { } refused)
        {
            return refused;
        }

        var (view, p) = (plan.Value, plan.Value.Plan);
        if (p.EarliestUseAt > p.UseAt)
        {
            var local = await clock.Local();
            return Refusal.Of("useAt",
                $"It is too late for {Say.Time(local(p.UseAt))} on {Say.Day(local(p.UseAt))}: begun now it could go out "
                    + $"at {Say.Time(local(p.EarliestUseAt))} on {Say.Day(local(p.EarliestUseAt))}.",
                    "Move it to that hour or later, and keep it then.");
        }

        var first = await db.Beds.Where(b => b.Id == request.BedIds[0]).Select(b => b.Name).SingleAsync();
        var name = string.IsNullOrWhiteSpace(request.Name)
            ? $"{first}{(request.BedIds.Count > 1 ? $" and {request.BedIds.Count - 1} more" : "")}, {p.Making.Word()}"
            : request.Name.Trim();
        var batch = new Batch {
            Name = name.Length > 80 ? name[..80] : name,
            State = BatchState.Planned,
            Making = p.Making,
            Purpose = request.Purpose!.Value,
            VesselId = view.VesselId,
            PumpId = view.PumpId,
            DiffuserId = view.DiffuserId,
            WaterSourceId = view.WaterSourceId,
            SourceInputId = view.SourceInputId,
            SecondSourceInputId = view.MoreLots.Count > 0 ? view.MoreLots[0] : null,
            Race = p.Race is null ? null : p.Race.Kit,
            RecipeVersionId = RecipeBook.VersionOf(request.Recipe),
            RunsForward = request.StartNow,
            RoundId = await db.Rounds.Where(x => x.Id == request.RoundId && x.StoppedAt == null).Select(x => (int?)x.Id)
                .FirstOrDefaultAsync(),
            Brew = p.Brew,
            Steps = p.Steps,
            BrewL = p.BrewL,
            BrewHours = p.BrewHours,
            PlannedStart = p.StartAt,
            UseAt = p.UseAt,
        };
        batch.Beds.AddRange(request.BedIds.Distinct().Select(id => new BatchBed { BedId = id }));
        db.Batches.Add(batch);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(batch.Id));
    });
}
