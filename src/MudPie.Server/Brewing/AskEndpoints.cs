using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Server.Web;

namespace MudPie.Server.Brewing;

/// <summary>A question about a plan, or about a batch that is going.</summary>
public sealed record AskRequest
{
    public PlanRequest? Plan { get; init; }

    public int? BatchId { get; init; }

    /// <summary>For what-ifs: up to three.</summary>
    public IReadOnlyList<WhatIfAsked> WhatIfs { get; init; } = [];

    /// <summary>For asking backwards: hours until it should be ready.</summary>
    public double? ReadyInH { get; init; }

    /// <summary>For what comes after the air: hour at which it stops; now, or at use, when not given.</summary>
    public double? StopAtH { get; init; }

    /// <summary>For what comes after the air: a battery pump.</summary>
    public BatteryPump? Battery { get; init; }
}

/// <summary>A what-if as it is typed: the amount in the holding's own units, "9 °F" or "20 mL"; hours for a power cut.</summary>
public sealed record WhatIfAsked(string? Kind, string? AtH, string? Food, string? Amount)
{
    /// <summary>The what-if that was typed; what can't be read is told at its field.</summary>
    public WhatIf Read(int i, TypedFields fields) => new() {
        Kind = Kind,
        Food = Food,
        AtH = fields.Optional($"whatIfs[{i}].atH", AtH, Dimension.Plain, 0, 240),
        Amount = Kind switch {
            "coldNight" or "cooler" => fields.Optional($"whatIfs[{i}].amount", Amount, Dimension.TemperatureSpan, 1, 15),
            "moreFood" => fields.Optional($"whatIfs[{i}].amount", TypedFields.Spoonful(Amount, fields.Units), Dimension.Volume, 0.0001,
                250) * 1000,
            _ => fields.Optional($"whatIfs[{i}].amount", Amount, Dimension.Plain, 0.1, 240),
        },
    };
}

/// <summary>Most of a food, in spoons.</summary>
public sealed record MostView(string Kind, string Name, double Ml, string Shown, string InTools, string NowShown);

/// <summary>A brew asked backwards, as it is shown.</summary>
public sealed record BackwardsView(BackwardsAnswer Answer, IReadOnlyList<MostView> Most, string LeastAirShown, string AirNowShown,
    DateTimeOffset? LatestStart, DateTimeOffset StartAt);

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
        api.MapPost("/brew/backwards", Backwards).ForVisitor("What brew, and begun when, makes a wanted amount at an hour.");
        api.MapPost("/brew/what-if", WhatIf).ForVisitor("A plan beside the same plan with one thing otherwise.");
        api.MapPost("/brew/schools", Schools).ForVisitor("A plan as each school would make it.");
        api.MapPost("/brew/after-air", After).ForVisitor("How long a brew stands once its air is off.");
    }

    private sealed record Asked(BrewQuestion Brew, DateTimeOffset StartAt, double NowH, double UseAtH, ForecastAnswer? Forecast,
        string Hold, PlanView? Plan, string Vessel)
    {
        public IReadOnlyList<double>? Learnt => Plan is null ? Forecast?.Learnt : null;
    }

    private static async Task<Results<Ok<Worked<BackwardsView>>, Refused>> Backwards(AskRequest r, PlanDesk desk, HoldingClock clock,
        LiveBrew live)
    {
        var (asked, refused) = await Find(r, desk, clock, live);
        var units = await clock.Units();
        return refused is not null
            ? Problems.Of(refused) : Problems.Answer(BrewBackwards.Of(asked!.Brew with { AirOffAtH = null },
                r.ReadyInH ?? Math.Clamp(asked.UseAtH, 1, 240), asked.Learnt, units).Match<Ruling<BackwardsView>>(
            w => w.With(
                new BackwardsView(
                    w.Value,
                    [.. w.Value.Most.Select(m => new MostView(m.Kind, m.Name, m.Ml, Units.Show(m.Ml / 1000, Dimension.Volume, units),
                        Spoons.InTools(new Litres(m.Ml / 1000), units).Text, m.NowMl > 0
                            ? Units.Show(m.NowMl / 1000, Dimension.Volume, units) : "none"))],
                    w.Value.LeastAirLpm is { } l ? Units.Show(l, Dimension.Flow, units) : "none will do here",
                    Units.Show(asked.Brew.Outlets?.Sum(o => o.AirLpm ?? 0) ?? asked.Brew.AirLpm ?? 0, Dimension.Flow, units),
                    w.Value.LatestStartH is { } at ? asked.StartAt.AddHours(at) : null,
                    asked.StartAt),
                ""),
            x => x));
    }

    private static async Task<Results<Ok<Worked<WhatIfView>>, Refused>> WhatIf(AskRequest r, PlanDesk desk, HoldingClock clock,
        LiveBrew live)
    {
        var (asked, refused) = await Find(r, desk, clock, live);
        if (refused is not null)
        {
            return Problems.Of(refused);
        }

        var fields = new TypedFields(await clock.Units());
        IReadOnlyList<WhatIf> whatIfs = [.. r.WhatIfs.Select((w, i) => (w ?? new WhatIfAsked(null, null, null, null)).Read(i, fields))];
        if (!fields.Checks.Sound)
        {
            return Problems.Of(fields.Checks.Refusal);
        }

        var hours = BrewReadings.Horizon(asked!.UseAtH, asked.NowH);
        return Problems.Answer(BrewWhatIf.Of(asked.Brew with { Hours = hours, AirOffAtH = null }, whatIfs, asked.NowH, asked.Learnt,
            fields.Units)
            .Match<Ruling<WhatIfView>>(w => w.With(new WhatIfView(asked.StartAt, asked.NowH, w.Value), "mg/L"), x => x));
    }

    private static async Task<Results<Ok<Worked<SchoolsView>>, Refused>> Schools(AskRequest r, PlanDesk desk, HoldingClock clock,
        LiveBrew live)
    {
        var (asked, refused) = await Find(r, desk, clock, live);
        var units = await clock.Units();
        return refused is not null
            ? Problems.Of(refused) : Problems.Answer(BrewSchools.Of(asked!.Brew with { AirOffAtH = null },
                Math.Clamp(asked.Plan?.Plan.BrewHours ?? asked.UseAtH, 0.4, 48), asked.Plan?.Plan.Bias, units)
            .Match<Ruling<SchoolsView>>(w =>
                w.With(new SchoolsView(asked.Vessel, Units.Show(asked.Brew.VolumeL ?? 0, Dimension.Volume, units), w.Value),
                    "mg/L"), x => x));
    }

    private static async Task<Results<Ok<Worked<AfterAirAnswer>>, Refused>> After(AskRequest r, PlanDesk desk, HoldingClock clock,
        LiveBrew live)
    {
        var (asked, refused) = await Find(r, desk, clock, live);
        return refused is not null
            ? Problems.Of(refused)
            : Problems.Answer(AfterOf(asked!, r.StopAtH ?? (asked!.NowH > 0 ? asked.NowH : asked.UseAtH), r.Battery));
    }

    /// <summary>By the same member and the same reading of now as the brew's own page; at another hour by the middle of the band
    /// then.</summary>
    private static Ruling<AfterAirAnswer> AfterOf(Asked asked, double stop, BatteryPump? battery)
    {
        var brew = asked.Brew with { AirOffAtH = null, Hours = Math.Clamp(Math.Max(asked.UseAtH, asked.NowH) + 1, 8, 240) };
        return asked.Forecast is { } f ? AfterAir.OfForecast(brew, f, asked.NowH > 0 && Math.Abs(stop - asked.NowH) < 0.25
            ? f.TypicalAtStop : f.TypicalAtUse, stop, battery, asked.Hold) : AfterAir.Of(brew, stop, battery);
    }

    private static async Task<(Asked? Asked, Refusal? Refused)> Find(AskRequest r, PlanDesk desk, HoldingClock clock, LiveBrew live)
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
            var hours = BrewReadings.Horizon(question.UseAtH, now);
            return (new Asked(BrewWatch.Warmed(question.Brew with { Hours = hours }, question.Warmth, hours), started, now, question.UseAtH,
                watch is { Refused: null } ? watch.Value.Forecast : null, question.Seen.Hold, null, batch.Vessel.Name), null);
        }

        if (r.Plan is null)
        {
            return (null, Refusal.Of("plan", "Nothing was asked about.", "Give a plan or a batch."));
        }

        var plan = await desk.Plan(r.Plan);
        var hold = r.Plan.Choices?.GetValueOrDefault("hold") ?? await live.Hold();
        return plan.Match<(Asked?, Refusal?)>(
            w => (new Asked(w.Value.Plan.Brew, w.Value.Plan.StartAt, 0, (w.Value.Plan.UseAt - w.Value.Plan.StartAt).TotalHours,
                w.Value.Plan.Forecast, hold, w.Value, "this vessel"), null),
            refused => (null, refused));
    }
}
