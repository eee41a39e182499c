using MudPie.Records.Book;
using MudPie.Records.PuttingOut;
using MudPie.Records.Season;
using MudPie.Records.Shelf;

namespace MudPie.Records.Demo;

/// <summary>What the demo put out and harvested, and its programme of the season.</summary>
internal static class DemoJobs
{
    /// <summary>Sprayers, roles, weather and washings of the brews that went out.</summary>
    public static void PastJobs(HoldingDb db, Dictionary<string, Sprayer> sprayers)
    {
        string[] skies = ["14 °C, wind 2.1 m/s, dry", "11 °C, wind 1.6 m/s, dry", "17 °C, wind 2.8 m/s, dry", "9 °C, wind 2.2 m/s, dry"];
        foreach (var (a, i) in db.Applications.Local.OrderBy(a => a.At).Select((a, i) => (a, i)))
        {
            a.Purpose = a.Batch!.Purpose;
            a.Sprayer = sprayers.GetValueOrDefault(a.Tool);
            a.Who = i % 3 == 2 ? "field hand" : "brewer";
            a.Weather = skies[i % skies.Length];
            a.Why = a.Purpose == Purpose.Leaf ? "keep the leaf film up" : "wake the ground before sowing";
            a.FoodWaiting = a.Purpose == Purpose.Root ? "mulch" : null;
            if (a.Sprayer is not null)
            {
                a.Sprayer.Washes.Add(new SprayerWash {
                    ApplicationId = a.Id, At = a.At.AddMinutes(70), RecordedAt = a.At.AddMinutes(72),
                    Note = i == 1 ? "nozzle 3 was blocked; cleaned" : null
                });
            }
        }
    }

    public static void Products(HoldingDb db, DemoKit kit, Dictionary<string, Sprayer> sprayers, DateTimeOffset now)
    {
        Application Job(int daysAgo, int hour, Purpose purpose, string[] beds, string input, double amount, double mixL, string tool,
            string why, string who = "brewer")
        {
            var at = new DateTimeOffset(now.AddDays(-daysAgo).Date, TimeSpan.Zero).AddHours(hour);
            var ground = kit.Named(beds);
            var job = new Application {
                At = at, RecordedAt = at.AddMinutes(25), Purpose = purpose, Dilution = "", OneIn = 1, WaterL = mixL,
                SpareL = mixL * 0.05 / 1.05, Tool = tool, Sprayer = sprayers.GetValueOrDefault(tool),
                TankL = sprayers.GetValueOrDefault(tool)?.TankL ?? 0, Fitness = "none", CautionsSeen = "spraying run-off health", Who = who,
                Why = why, Weather = "12 °C, wind 1.9 m/s, dry"
            };
            job.Beds.AddRange(ground.Select(b =>
                new ApplicationBed { Bed = b, TotalL = mixL / 1.05 * b.AreaM2 / ground.Sum(x => x.AreaM2) }));
            db.Add(job);
            DemoShelf.Save(db);
            job.Items.AddRange(DemoShelf.Draw(db, db.Inputs.Local.First(i => i.Name == input), amount, at, StockReason.Used, null, job.Id));
            if (job.Sprayer is { } s)
            {
                s.Washes.Add(new SprayerWash { ApplicationId = job.Id, At = at.AddMinutes(50), RecordedAt = at.AddMinutes(52) });
            }

            return job;
        }

        Job(196, 8, Purpose.Root, ["Ridge Bed 1", "Ridge Bed 2", "Ridge Bed 3"], "Threadwork granules", 0.45, 0, "by hand, in the row",
            "garlic at planting: must touch roots");
        Job(168, 10, Purpose.Root, ["Creek Field"], "gypsum", 150, 0, "spreader", "structure, by the soil test", "field hand");
        Job(150, 18, Purpose.Leaf, ["Hop Yard"], "copper for the hops", 0.12, 42, "400 L mounted boom", "downy mildew, by the label");
        Job(58, 18, Purpose.Leaf, ["Ridge Bed 4", "Ridge Bed 5", "Ridge Bed 6"], "liquid seaweed", 0.022, 5.4,
            "15 L knapsack, kept for biology", "young roots gain most");
        Job(28, 18, Purpose.Root, ["Ridge Bed 4", "Ridge Bed 5", "Ridge Bed 6"], "liquid seaweed", 0.022, 5.4,
            "15 L knapsack, kept for biology", "to the roots of what was just planted");
        var wrong = Job(20, 9, Purpose.Root, ["Nursery Bench"], "Rootbank spores", 0.06, 27, "10 L watering can",
            "modules before planting out", "field hand");
        var right = Job(20, 9, Purpose.Root, ["Nursery Bench"], "Rootbank spores", 0.006, 27, "10 L watering can",
            "modules before planting out", "field hand");
        (right.CorrectsId, right.CorrectionWhy, right.RecordedAt) =
            (wrong.Id, "6 mL, not 60: read off the wrong line", wrong.RecordedAt.AddHours(9));
        foreach (var entry in db.StockEntries.Local.Where(e => e.ApplicationId == wrong.Id).ToList())
        {
            entry.Lot.Entries.Add(new StockEntry {
                At = right.RecordedAt, RecordedAt = right.RecordedAt, Amount = -entry.Amount,
                Reason = StockReason.Undone, ApplicationId = wrong.Id, Note = right.CorrectionWhy
            });
        }
    }

    public static void Harvests(HoldingDb db, DemoKit kit, DateTimeOffset now)
    {
        void Picked(string bed, int daysAgo, double kg, string? note = null)
        {
            var b = kit.Named(bed)[0];
            db.Add(new HarvestEntry {
                Bed = b, Crop = b.Crop, Kg = kg, At = now.AddDays(-daysAgo).AddHours(-2),
                RecordedAt = now.AddDays(-daysAgo), Note = note
            });
        }

        Picked("Ridge Bed 1", 140, 38.5, "dry, graded");
        Picked("Ridge Bed 2", 140, 41);
        Picked("Currant Rows", 300, 620);
        Picked("Hop Yard", 75, 84, "dried weight to follow");
        Picked("Ridge Bed 7", 6, 12.4, "first pulling");
        void Saw(string? bed, int daysAgo, string text) =>
            db.Add(new Observation {
                Bed = bed is null ? null : kit.Named(bed)[0], At = now.AddDays(-daysAgo),
                RecordedAt = now.AddDays(-daysAgo).AddMinutes(4), Text = text
            });
        Saw("Ridge Bed 5", 12, "aphids on the lower leaves, ladybirds with them");
        Saw("Creek Field", 44, "water stood two days after 30 mm; drains away by the creek");
        Saw(null, 3, "first frost on the ridge");
    }

    public static void Season(HoldingDb db, DemoKit kit, DateTimeOffset now)
    {
        var today = DateOnly.FromDateTime(now.UtcDateTime);
        var fennel = new Programme { Bed = kit.Named("Ridge Bed 4")[0], Start = today.AddDays(-28), Harvest = today.AddDays(84) };
        var done = db.Applications.Local.Where(a => a.Items.Any(i => i.Name == "liquid seaweed")).MaxBy(a => a.At)!;
        void Lay(Programme p, string kind, int days, Purpose purpose = Purpose.Leaf, int? job = null) =>
            p.Givings.Add(new Giving { Kind = kind, On = today.AddDays(days), Purpose = purpose, ApplicationId = job });
        Lay(fennel, "seaweed", -28, Purpose.Root, done.Id);
        Lay(fennel, "seaweed", 1);
        Lay(fennel, "seaweed", 62);
        Lay(fennel, "fulvic", 8);
        Lay(fennel, "fish", 15, Purpose.Root);
        var garlic = new Programme { Bed = kit.Named("Ridge Bed 2")[0], Start = today.AddDays(-20), Harvest = today.AddDays(210) };
        Lay(garlic, "humic", 5, Purpose.Root);
        Lay(garlic, "seaweed", 20);
        Lay(garlic, "seaweed", 48);
        db.AddRange(fennel, garlic);
    }
}
