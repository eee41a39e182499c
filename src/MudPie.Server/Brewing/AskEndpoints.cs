using Microsoft.Extensions.Caching.Memory;
using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Server.Web;

namespace MudPie.Server.Brewing;

/// <summary>A question about a plan, or about a batch that is going.</summary>
public sealed record AskRequest
{
    public PlanRequest? Plan { get; init; }

    public int? BatchId { get; init; }

    /// <summary>For what-ifs: up to three.</summary>
    public IReadOnlyList<WhatIf> WhatIfs { get; init; } = [];

    /// <summary>For asking backwards: hours until it should be ready.</summary>
    public double? ReadyInH { get; init; }

    /// <summary>For what comes after the air: hour at which it stops; now, or at use, when not given.</summary>
    public double? StopAtH { get; init; }

    /// <summary>For what comes after the air: a battery pump.</summary>
    public BatteryPump? Battery { get; init; }
}

/// <summary>Most of a food, in spoons.</summary>
public sealed record MostView(string Kind, string Name, double Ml, string Shown, string InTools, string NowShown);

/// <summary>A brew asked backwards, as it is shown.</summary>
public sealed record BackwardsView(BackwardsAnswer Answer, IReadOnlyList<MostView> Most, string LeastAirShown, string AirNowShown, DateTimeOffset? LatestStart, DateTimeOffset StartAt);

/// <summary>What-ifs with their start, for drawing.</summary>
public sealed record WhatIfView(DateTimeOffset StartAt, double NowH, IReadOnlyList<WhatIfCurve> Curves);

/// <summary>Schools with their start, for drawing.</summary>
public sealed record SchoolsView(string Vessel, string BrewShown, IReadOnlyList<SchoolRun> Runs);

/// <summary>Asking the model backwards, what-ifs, schools, and after the air. Nothing is kept.</summary>
public static class AskEndpoints
{
    /// <summary>What can be asked.</summary>
    public static void MapAsking(this IEndpointRouteBuilder api)
    {
        api.MapPost("/brew/backwards", Backwards).Produces<Worked<BackwardsView>>().ProducesProblem(422);
        api.MapPost("/brew/what-if", WhatIf).Produces<Worked<WhatIfView>>().ProducesProblem(422);
        api.MapPost("/brew/schools", Schools).Produces<Worked<SchoolsView>>().ProducesProblem(422);
        api.MapPost("/brew/after-air", After).Produces<Worked<AfterAirAnswer>>().ProducesProblem(422);
    }

    private sealed record Asked(BrewQuestion Brew, DateTimeOffset StartAt, double NowH, double UseAtH, IReadOnlyList<double>? Learnt, PlanView? Plan, string Vessel);

    private static async Task<IResult> Backwards(AskRequest r, HoldingDb db, HoldingClock clock, IMemoryCache cache, LiveBrew live)
    {
        var (asked, refused) = await Find(r, db, clock, cache, live);
        var units = await clock.Units();
        return refused is not null ? Problems.Of(refused) : Problems.Answer(BrewBackwards.Of(asked!.Brew with { AirOffAtH = null }, r.ReadyInH ?? Math.Clamp(asked.UseAtH, 1, 240), asked.Learnt).Match<Ruling<BackwardsView>>(
            w => w.With(
                new BackwardsView(
                    w.Value,
                    [.. w.Value.Most.Select(m => new MostView(m.Kind, m.Name, m.Ml, Units.Show(m.Ml / 1000, Dimension.Volume, units), Spoons.InTools(new Litres(m.Ml / 1000), units).Text, m.NowMl > 0 ? Units.Show(m.NowMl / 1000, Dimension.Volume, units) : "none"))],
                    w.Value.LeastAirLpm is { } l ? Units.Show(l, Dimension.Flow, units) : "none will do here",
                    Units.Show(asked.Brew.Outlets?.Sum(o => o.AirLpm ?? 0) ?? asked.Brew.AirLpm ?? 0, Dimension.Flow, units),
                    w.Value.LatestStartH is { } at ? asked.StartAt.AddHours(at) : null,
                    asked.StartAt),
                ""),
            x => x));
    }

    private static async Task<IResult> WhatIf(AskRequest r, HoldingDb db, HoldingClock clock, IMemoryCache cache, LiveBrew live)
    {
        var (asked, refused) = await Find(r, db, clock, cache, live);
        if (refused is not null)
        {
            return Problems.Of(refused);
        }

        var hours = Math.Clamp(Math.Max(asked!.UseAtH + 2, asked.NowH + 3), 8, 96);
        return Problems.Answer(BrewWhatIf.Of(asked.Brew with { Hours = hours, AirOffAtH = null }, r.WhatIfs, asked.NowH, asked.Learnt)
            .Match<Ruling<WhatIfView>>(w => w.With(new WhatIfView(asked.StartAt, asked.NowH, w.Value), "mg/L"), x => x));
    }

    private static async Task<IResult> Schools(AskRequest r, HoldingDb db, HoldingClock clock, IMemoryCache cache, LiveBrew live)
    {
        var (asked, refused) = await Find(r, db, clock, cache, live);
        var units = await clock.Units();
        return refused is not null ? Problems.Of(refused) : Problems.Answer(BrewSchools.Of(asked!.Brew with { AirOffAtH = null }, Math.Clamp(asked.Plan?.Plan.BrewHours ?? asked.UseAtH, 0.4, 48), asked.Plan?.Plan.Bias)
            .Match<Ruling<SchoolsView>>(w => w.With(new SchoolsView(asked.Vessel, Units.Show(asked.Brew.VolumeL ?? 0, Dimension.Volume, units), w.Value), "mg/L"), x => x));
    }

    private static async Task<IResult> After(AskRequest r, HoldingDb db, HoldingClock clock, IMemoryCache cache, LiveBrew live)
    {
        var (asked, refused) = await Find(r, db, clock, cache, live);
        return refused is not null
            ? Problems.Of(refused)
            : Problems.Answer(AfterAir.Of(asked!.Brew with { AirOffAtH = null, Hours = Math.Clamp(Math.Max(asked.UseAtH, asked.NowH) + 1, 8, 240) }, r.StopAtH ?? (asked.NowH > 0 ? asked.NowH : asked.UseAtH), r.Battery, asked.Learnt));
    }

    private static async Task<(Asked? Asked, Refusal? Refused)> Find(AskRequest r, HoldingDb db, HoldingClock clock, IMemoryCache cache, LiveBrew live)
    {
        if (r.BatchId is { } id)
        {
            if (await live.Load(id) is not { } batch)
            {
                return (null, Refusal.Of("batchId", "There is no such batch.", "Open it from the list."));
            }

            var started = batch.StartedAt ?? batch.PlannedStart;
            var watch = await live.Watch(batch);
            var question = await live.Ask(batch, started, clock.Now);
            var now = batch.StartedAt is null ? 0 : Math.Max((clock.Now - started).TotalHours, 0);
            var hours = Math.Clamp(Math.Max(question.UseAtH + 2, now + 3), 8, 96);
            return (new Asked(BrewWatch.Warmed(question.Brew with { Hours = hours }, question.Warmth, hours), started, now, question.UseAtH, watch is { Refused: null } ? watch.Value.Forecast.Learnt : null, null, batch.Vessel.Name), null);
        }

        if (r.Plan is null)
        {
            return (null, Refusal.Of("plan", "Nothing was asked about.", "Give a plan or a batch."));
        }

        var plan = await PlanEndpoints.Plan(r.Plan, db, clock, cache);
        return plan.Match<(Asked?, Refusal?)>(
            w => (new Asked(w.Value.Plan.Brew, w.Value.Plan.StartAt, 0, w.Value.Plan.BrewHours, null, w.Value, "this vessel"), null),
            refused => (null, refused));
    }
}
