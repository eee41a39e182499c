using MudPie.Core.Judging.Reckoning;
using MudPie.Records.Brewing;
using MudPie.Records.Judging;
using MudPie.Records.PuttingOut;

namespace MudPie.Records.Demo;

/// <summary>What the demo's reckoning needs beside the season: tea on the garlic, seaweed on the dahlias, prices, counts before and behind
/// machines, and one thing that is kept whatever it is worth. Made up.</summary>
internal static class DemoReckoning
{
    public static void Fill(HoldingDb db, DemoKit kit, DateTimeOffset now)
    {
        var knapsack = db.Sprayers.First(s => s.Name == "15 L knapsack, kept for biology");
        foreach (var days in new[] { 26, 13 })
        {
            var tea = DemoSeason.Tea(db, kit, now, days, "Ridge Bed 1", "Ridge Bed 2", "Ridge Bed 3");
            (tea.Purpose, tea.Sprayer, tea.Who, tea.Weather, tea.Why) = (Purpose.Leaf, knapsack, "brewer", "10 °C, wind 1.4 m/s, dry",
                "the garlic, as every autumn");
            DemoShelf.Save(db);
            var foods = (tea.Batch!.Brew.Foods ?? []).Select(f => (f.Kind, (f.Ml ?? 0) / 1000))
                .Concat((tea.Batch.Brew.Sources ?? []).Select(s => (s.Kind, s.Litres ?? 0)));
            foreach (var (kind, litres) in foods)
            {
                if (db.Inputs.Local.FirstOrDefault(i => i.Kind == kind) is { } input)
                {
                    DemoShelf.Draw(db, input, litres, tea.Batch.StartedAt!.Value, StockReason.Brew, tea.BatchId, null);
                }
            }
        }

        foreach (var days in new[] { 172, 145, 118 })
        {
            Seaweed(db, kit, now.AddDays(-days));
        }

        Counts(db, now, knapsack);
        db.Add(new OwnReckoning {
            Terms = new ReckoningTerms {
                Crops = new Dictionary<string, double> {
                    ["garlic"] = 2.4, ["fennel"] = 2.2, ["beetroot"] = 1.4, ["blackcurrant"] = 1.1, ["hops"] = 8, ["oats and vetch"] = 0.25,
                },
                WaterPerM3 = 1.8, HoursAWeek = 5, Minutes = new Dictionary<string, double> { ["look-brix"] = 8 },
            },
            At = now.AddDays(-90),
        });
        db.Add(new KeptAnyway {
            Practice = Practices.Key($"input-{db.Inputs.First(i => i.Kind == "copperSpray").Id}", "hops"),
            Why = "without it the mildew goes over to the neighbours’ hops", At = now.AddDays(-40),
        });
        DemoShelf.Save(db);
    }

    private static void Seaweed(HoldingDb db, DemoKit kit, DateTimeOffset day)
    {
        var at = new DateTimeOffset(day.Date, TimeSpan.Zero).AddHours(18);
        var can = db.Sprayers.First(s => s.Name == "10 L watering can");
        var job = new Application {
            At = at, RecordedAt = at.AddMinutes(20), Purpose = Purpose.Root, Dilution = "", OneIn = 1, WaterL = 28, SpareL = 0,
            Tool = can.Name, Sprayer = can, TankL = 10, Fitness = "none", CautionsSeen = "run-off", Who = "field hand",
            Why = "dahlias: early, to the roots", Weather = "under glass",
        };
        job.Beds.Add(new ApplicationBed { Bed = kit.Named("Glass Lean-to")[0], TotalL = 28 });
        db.Add(job);
        DemoShelf.Save(db);
        job.Items.AddRange(DemoShelf.Draw(db, db.Inputs.Local.First(i => i.Name == "liquid seaweed"), 0.028, at, StockReason.Used, null,
            job.Id));
    }

    /// <summary>Counts of a brew before and behind the knapsack's pump and out of its nozzle; the year before at the boom.</summary>
    private static void Counts(HoldingDb db, DateTimeOffset now, Sprayer knapsack)
    {
        var boom = db.Sprayers.First(s => s.Kind == "boom");
        var brews = db.Batches.Where(b => b.State == BatchState.Used).ToList();
        void Count(Batch batch, Sprayer by, TallyStage stage, int bacteria, int threads)
        {
            var tally = DemoBrewhouse.Tally(batch, stage, batch.UseAt.AddMinutes(10 * (int)stage), bacteria, threads);
            tally.SprayerId = by.Id;
            db.Add(tally);
        }

        var late = brews.Where(b => b.UseAt > now.AddDays(-30)).MinBy(b => b.UseAt)!;
        Count(late, knapsack, TallyStage.BeforePump, 34, 12);
        Count(late, knapsack, TallyStage.AfterPump, 32, 11);
        Count(late, knapsack, TallyStage.Nozzle, 31, 6);
        var early = brews.Where(b => b.UseAt < now.AddDays(-380)).MaxBy(b => b.UseAt)!;
        Count(early, boom, TallyStage.BeforePump, 38, 14);
        Count(early, boom, TallyStage.AfterPump, 20, 4);
        Count(early, boom, TallyStage.Nozzle, 19, 3);
    }
}
