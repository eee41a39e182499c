using MudPie.Core.Brewing;
using MudPie.Core.Judging;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records.Brewing;
using MudPie.Records.Ground;
using MudPie.Records.Judging;
using MudPie.Records.PuttingOut;

namespace MudPie.Records.Demo;

/// <summary>Eighteen months of brews, made by the model with a seed and noise: a dozen that are over, one that is going, one that is
/// planned.</summary>
internal static class DemoSeason
{
    private sealed record Past(int DaysAgo, int Hour, string Vessel, Purpose Purpose, string[] Beds, double WarmthC, string Ends,
        double BrixLift = 0.2);

    private static readonly Past[] Brews =
    [
        new(512, 7, "bucket", Purpose.Leaf, ["Ridge Bed 4", "Ridge Bed 5"], 16, "used"),
        new(481, 19, "barrel", Purpose.Leaf, ["Currant Rows"], 18, "used"),
        new(455, 6, "bucket", Purpose.Leaf, ["Ridge Bed 1", "Ridge Bed 2", "Ridge Bed 3"], 24, "molasses"),
        new(430, 8, "bucket", Purpose.Root, ["Nursery Bench"], 19, "used"),
        new(392, 7, "cone", Purpose.Root, ["Creek Field"], 15, "used"),
        new(301, 9, "bucket", Purpose.Root, ["Glass Lean-to"], 12, "used"),
        new(214, 7, "barrel", Purpose.Leaf, ["Hop Yard"], 14, "strip"),
        new(171, 18, "barrel", Purpose.Leaf, ["Hop Yard", "Currant Rows"], 17, "used", 0.5),
        new(128, 7, "bucket", Purpose.Leaf, ["Ridge Bed 4", "Ridge Bed 6"], 19, "pump"),
        new(96, 19, "barrel", Purpose.Leaf, ["Currant Rows"], 20, "used"),
        new(34, 8, "bucket", Purpose.Leaf, ["Ridge Bed 7", "Ridge Bed 8"], 17, "used", 0.9),
        new(9, 8, "bucket", Purpose.Leaf, ["Ridge Bed 4", "Ridge Bed 5"], 16, "used", 0.4),
        new(2, 9, "bucket", Purpose.Leaf, ["Ridge Bed 6"], 16, "fresh"),
    ];

    /// <summary>What is hidden in the live brew.</summary>
    public static readonly Multipliers LiveTruth = new(1.28, 1.08, 1, 1, 1.08, 0.88, 0.92, 1.4, 1);

    public static void Fill(HoldingDb db, DemoKit kit, DateTimeOffset now)
    {
        var random = new Random(20_261);
        foreach (var past in Brews)
        {
            AddPast(db, kit, past, now, random);
        }

        AddLive(db, kit, now);
        AddPlanned(db, kit, now);
    }

    private static void AddPast(HoldingDb db, DemoKit kit, Past past, DateTimeOffset now, Random random)
    {
        var vessel = past.Vessel switch { "bucket" => kit.Bucket, "barrel" => kit.Barrel, _ => kit.Cone };
        var useAt = past.Ends == "fresh" ? new DateTimeOffset(now.AddDays(-2).Date, TimeSpan.Zero).AddHours(8)
            : new DateTimeOffset(now.AddDays(-past.DaysAgo).Date, TimeSpan.Zero).AddHours(past.Hour);
        IReadOnlyList<FoodAmount>? foods = past.Ends == "molasses"
            ? [new FoodAmount { Kind = "fishHydrolysate", Ml = 12 }, new FoodAmount { Kind = "molasses", Ml = 25 }]
            : null;
        var batch = Plan(kit, vessel, past.Purpose, past.Beds, past.WarmthC, useAt, useAt.AddDays(-3), foods);
        var start = batch.PlannedStart;
        var off = start.AddHours(batch.BrewHours);
        var strip = past.Ends == "strip";
        Take(batch, start, BrewDeeds.Start(batch.Stands(), strip ? "0.3" : "0", strip ? "in a hurry" : null, start, start,
            UnitSystem.Metric));
        if (batch.Making == Making.Tea)
        {
            Readings(batch, random, past.Ends == "pump" ? 9.5 : null, batch.BrewHours, past.Ends is "used" or "fresh");
            var stopped = past.Ends == "pump" ? start.AddHours(9.5) : off;
            Take(batch, stopped, BrewDeeds.AirOff(batch.Stands(), stopped, stopped));
        }

        End(batch, past.Ends, off);
        db.Add(batch);
        if (batch.State == BatchState.Used)
        {
            var application = PutOut(batch, kit, past, useAt);
            db.Add(application);
            db.SaveChanges();
            Brix(db, kit, past, application, random);
        }
    }

    /// <summary>A tea of the bucket that was used some days ago, beside the season's own; nobody read the leaves for it.</summary>
    public static Application Tea(HoldingDb db, DemoKit kit, DateTimeOffset now, int daysAgo, params string[] beds)
    {
        var random = new Random(3100 + daysAgo);
        var past = new Past(daysAgo, 8, "bucket", Purpose.Leaf, beds, 16, "used");
        var useAt = new DateTimeOffset(now.AddDays(-daysAgo).Date, TimeSpan.Zero).AddHours(past.Hour);
        var batch = Plan(kit, kit.Bucket, past.Purpose, beds, past.WarmthC, useAt, useAt.AddDays(-3), null);
        var (start, off) = (batch.PlannedStart, batch.PlannedStart.AddHours(batch.BrewHours));
        Take(batch, start, BrewDeeds.Start(batch.Stands(), "0", null, start, start, UnitSystem.Metric));
        Readings(batch, random, null, batch.BrewHours, true);
        Take(batch, off, BrewDeeds.AirOff(batch.Stands(), off, off));
        End(batch, "used", off);
        db.Add(batch);
        var job = PutOut(batch, kit, past, useAt);
        db.Add(job);
        return job;
    }

    private static void End(Batch batch, string ends, DateTimeOffset off)
    {
        var why = ends switch {
            "molasses" => "a warm night with too much molasses: oxygen gone by breakfast, sour",
            "strip" => "the strip was not zero: chlorine at the start, nobody waited",
            "pump" => "the pump stopped in the night; flat by morning",
            _ => null,
        };
        if (ends == "molasses")
        {
            Log(batch, LogKind.Smell, off.AddHours(-1), null, "sour");
            Log(batch, LogKind.Foam, off.AddHours(-3), null, "over");
        }

        if (why is not null)
        {
            Take(batch, off, BrewDeeds.Heap(batch.Stands(), why, off, off));
        }
        else
        {
            Log(batch, LogKind.Smell, off, null, "earthy");
            batch.Take(BrewDeeds.PutOut(off.AddMinutes(40)), off.AddMinutes(40), "demo");
        }
    }

    /// <summary>The Barrel, eleven hours in, its oxygen sliding toward the line, its last reading 2 h 45 min ago.</summary>
    private static void AddLive(HoldingDb db, DemoKit kit, DateTimeOffset now)
    {
        var random = new Random(14); // its own, so that its readings do not hang on the season before it
        var start = now.AddHours(-11);
        FoodAmount[] foods = [new() { Kind = "fishHydrolysate", Ml = 255 }, new() { Kind = "kelpLiquid", Ml = 120 }];
        var batch = Plan(kit, kit.Barrel, Purpose.Leaf, ["Ridge Bed 4", "Ridge Bed 5", "Ridge Bed 6", "Currant Rows"], 19,
            now.AddHours(16.5), now.AddDays(-2), foods);
        batch.Name = "Fennel and currants, tea";
        // In a shed that keeps its warmth: the same story at whatever hour the demo is opened.
        batch.Brew = batch.Brew with { SwingC = 0 };
        var (earlier, begun) = (start - batch.PlannedStart, true);
        // it was begun that much earlier than the model would have it
        batch.Steps = batch.Steps.Select(s => (begun &= s.Id != "check") ? s with { At = s.At + earlier } : s).ToList();
        batch.PlannedStart = start;
        batch.BrewHours = 26;
        Take(batch, start, BrewDeeds.Start(batch.Stands(), "0", null, start, start, UnitSystem.Metric));
        foreach (var step in batch.Steps.TakeWhile(s => s.Id != "check").Where(s => s.Id is not ("source" or "strip")))
        {
            var at = start.AddMinutes(step.Id == "foods" ? 18 : -20);
            Take(batch, at, BrewDeeds.Tick(batch.Stands(), step.Id, at, at));
        }

        var member = LiveTruth;
        var run = BrewRun.Of(batch.Brew, 0.25, member).Value;
        foreach (var h in new[] { 0.5, 2.75, 5.5, 8.25 })
        {
            Log(batch, LogKind.Oxygen, start.AddHours(h),
                Math.Round(run.Series[(int)(h * 4)].Oxygen + (0.1 * (random.NextDouble() - 0.5)), 1));
        }

        Log(batch, LogKind.Warmth, start.AddHours(0.5), 18.8);
        Log(batch, LogKind.Warmth, start.AddHours(8.25), 19.3);
        Log(batch, LogKind.Smell, start.AddHours(5.5), null, "earthy");
        Log(batch, LogKind.Foam, start.AddHours(8.25), null, "little");
        db.Add(batch);
    }

    private static void AddPlanned(HoldingDb db, DemoKit kit, DateTimeOffset now)
    {
        var batch = Plan(kit, kit.Bucket, Purpose.Root, ["Nursery Bench", "Glass Lean-to"], 16, now.AddHours(27), now, null);
        batch.Name = "Modules and dahlias, extract";
        db.Add(batch);
    }

    private static Batch Plan(
        DemoKit kit, Vessel vessel, Purpose purpose, string[] bedNames, double warmthC, DateTimeOffset useAt, DateTimeOffset plannedAt,
        IReadOnlyList<FoodAmount>? foods)
    {
        var beds = kit.Named(bedNames);
        var (pump, diffuser) = kit.AirOf(vessel);
        var plan = BrewPlan.Of(
            new BrewPlanQuestion {
                Beds = [.. beds.Select(b => new PlanBed { Name = b.Name, AreaM2 = b.AreaM2, Growing = b.Growing, SoilPh = b.SoilPh })],
                Purpose = purpose,
                UseAt = useAt,
                Now = plannedAt,
                VesselWorkingL = vessel.WorkingL,
                VesselDepthM = vessel.DepthM,
                PumpOpenLpm = pump.OpenLpm,
                PumpShutOffKPa = pump.ShutOffKPa,
                Diffuser = diffuser.Kind,
                ChlorineMgPerL = 0,
                AltitudeM = 6,
                WarmthC = warmthC,
                SwingC = 2,
                Foods = foods,
                Members = 20,
                Race = vessel.Shape == "bucket" ? null : new RaceKit { Name = "400 L mounted boom", Kind = "boom", TankL = 400 },
            },
            at => at).Value;
        var batch = new Batch {
            Name = $"{beds[0].Name}{(beds.Count > 1 ? $" and {beds.Count - 1} more" : "")}, {plan.Making.Word()}",
            Making = plan.Making,
            Purpose = purpose,
            Vessel = vessel,
            Pump = pump,
            Diffuser = diffuser,
            Water = kit.Rain,
            Brew = plan.Brew,
            Steps = plan.Steps,
            BrewL = plan.BrewL,
            BrewHours = plan.BrewHours,
            PlannedStart = plan.StartAt,
            UseAt = useAt,
            IsDemo = true,
        };
        batch.Beds.AddRange(beds.Select(b => new BatchBed { Bed = b }));
        return batch;
    }

    /// <summary>Readings every few hours from a hidden brew of its own, with the noise of a pen.</summary>
    private static void Readings(Batch batch, Random random, double? airOffH, double hours, bool held)
    {
        double Near(double cv) => Math.Exp(cv * ((random.NextDouble() * 2) - 1));
        BrewRunAnswer Draw() => BrewRun.Of(
            batch.Brew with { Hours = Math.Max(hours, 2), AirOffAtH = airOffH }, 0.25,
            new Multipliers(Near(0.15), Near(0.15), 1, 1, Near(0.2), Near(0.1), 1, Near(0.3), Near(0.1))).Value;
        var run = Draw();
        for (var i = 0; i < 40 && held && run.MinOxygen < BrewRun.Line + 0.3; i++)
        {
            run = Draw(); // what was used had held: the demo's growers heap the others
        }

        for (var h = 1.5; h < hours; h += 2.5 + (3 * random.NextDouble()))
        {
            var at = batch.StartedAt!.Value.AddHours(h);
            Log(batch, LogKind.Oxygen, at,
                Math.Round(Math.Max(0, run.Series[(int)(h * 4)].Oxygen + (0.3 * (random.NextDouble() - 0.5))), 1));
            Log(batch, LogKind.Warmth, at, Math.Round(batch.Brew.TemperatureC!.Value + (2 * (random.NextDouble() - 0.5)), 1));
        }
    }

    private static Application PutOut(Batch batch, DemoKit kit, Past past, DateTimeOffset useAt)
    {
        var beds = kit.Named(past.Beds);
        var dilution = past.Purpose == Purpose.Leaf ? "1:5" : "1:1";
        var spread = TankJob.Of(new TankJobQuestion {
            Purpose = past.Purpose, BrewL = batch.BrewL, Dilution = dilution, SpareShare = 0,
            TankL = past.Vessel == "bucket" ? 15 : 400,
            Beds = [.. beds.Select(b => new JobBed { Name = b.Name, AreaM2 = b.AreaM2 })]
        }).Value;
        var application = new Application {
            Batch = batch,
            At = useAt,
            RecordedAt = useAt.AddMinutes(50),
            Dilution = dilution,
            OneIn = spread.OneIn!.Value,
            TeaL = spread.BrewL,
            WaterL = spread.WaterL,
            Tool = past.Vessel == "bucket" ? "15 L knapsack, kept for biology" : "400 L mounted boom",
            TankL = past.Vessel == "bucket" ? 15 : 400,
            Fitness = batch.Making == Making.Tea ? "fit" : "unseen",
            CautionsSeen = "spraying brew-on-food run-off dilution-water",
        };
        application.Beds.AddRange(beds.Zip(spread.Beds,
            (bed, share) => new ApplicationBed { Bed = bed, TeaL = share.BrewL, TotalL = share.MixL }));
        return application;
    }

    /// <summary>Leaves read the afternoon before and two days after, with the scatter of leaves and a small true lift.</summary>
    private static void Brix(HoldingDb db, DemoKit kit, Past past, Application application, Random random)
    {
        if (past.Purpose != Purpose.Leaf)
        {
            return;
        }

        foreach (var bed in kit.Named(past.Beds))
        {
            var level = 7.6 + (random.NextDouble() * 2.2);
            db.Add(Visit(bed, application, application.At.Date.AddDays(-1).AddHours(15.4), level, random, LeafPosition.Top, Sky.Clear));
            if (past.Ends != "fresh")
            {
                db.Add(Visit(bed, application, application.At.Date.AddDays(2).AddHours(15.1), level + past.BrixLift, random,
                    LeafPosition.Top, random.Next(3) == 0 ? Sky.Mixed : Sky.Clear));
            }
        }
    }

    private static BrixVisit Visit(Bed bed, Application application, DateTime at, double level, Random random, LeafPosition leaf, Sky sky)
    {
        var temperature = Math.Round(14 + (random.NextDouble() * 9), 1);
        var visit = new BrixVisit {
            Bed = bed,
            Crop = bed.Crop,
            ApplicationId = application.Id,
            At = new DateTimeOffset(at, TimeSpan.Zero),
            RecordedAt = new DateTimeOffset(at, TimeSpan.Zero),
            LeafPosition = leaf,
            Sky = sky,
            TemperatureC = temperature,
            IsDemo = true,
        };
        for (var i = 0; i < 4; i++)
        {
            var read = Math.Round((level + (0.7 * (random.NextDouble() + random.NextDouble() - 1))) * 5) / 5;
            visit.Readings.Add(new BrixReading { AsRead = read, At20 = BrixCorrection.To20(read, temperature).Value.Value });
        }

        return visit;
    }

    /// <summary>Logs as a grower would, through the one door: what it refuses, the demo does not hold either.</summary>
    private static void Log(Batch batch, LogKind kind, DateTimeOffset at, double? number = null, string? text = null) =>
        Take(batch, at,
            BrewDeeds.Log(batch.Stands(), kind, number is { } n ? BrewSaid.Of(kind, n) : BrewSaid.Of(kind, text), at, at));

    private static void Take(Batch batch, DateTimeOffset at, Ruling<BrewChange> deed) => batch.Take(deed.Value, at, "demo");
}
