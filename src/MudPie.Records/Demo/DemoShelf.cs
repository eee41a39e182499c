using System.Globalization;
using MudPie.Core.PuttingOut;
using MudPie.Core.Shelf;
using MudPie.Records.Book;
using MudPie.Records.PuttingOut;
using MudPie.Records.Shelf;

namespace MudPie.Records.Demo;

/// <summary>The demo's sprayers and shelf: lots that fell as brews were made, and outlines of
/// the beds.</summary>
internal static class DemoShelf
{
    public static void Fill(HoldingDb db, DemoKit kit, DateTimeOffset now)
    {
        db.ChangeTracker.AutoDetectChangesEnabled = false; // looked through at each Save, not at each question
        Outlines(kit);
        foreach (var bed in kit.Named("Creek Field", "Hop Yard", "Glass Lean-to", "Nursery Bench"))
        {
            bed.Eaten = Core.Book.Eaten.Nothing; // grain, hops, flowers, and modules that go on to other beds
        }

        db.Holdings.Local.Single().HourlyWage = 12;
        var sprayers = Sprayers(db, now);
        Save(db);
        Inputs(db);
        Save(db);
        Lots(db, now);
        Save(db);
        Brewed(db, now);
        Save(db);
        DemoJobs.PastJobs(db, sprayers);
        Save(db);
        DemoJobs.Products(db, kit, sprayers, now);
        Save(db);
        DemoJobs.Harvests(db, kit, now);
        DemoJobs.Season(db, kit, now);
        db.Add(new OwnMixRule {
            A = "fulvic", B = "copper", Together = false, WaitDays = 5,
            Why = "Label of the copper we keep for the hops", At = now.AddMonths(-7)
        });
        db.Add(new OwnWait { Kind = "biostimulant", Days = 2, Why = "our box scheme's own rule", At = now.AddMonths(-12) });
        Save(db);
        db.ChangeTracker.AutoDetectChangesEnabled = true;
    }

    internal static void Save(HoldingDb db)
    {
        db.ChangeTracker.DetectChanges();
        db.SaveChanges();
    }

    /// <summary>Rectangles, metres east and north of the corner by the creek.</summary>
    private static void Outlines(DemoKit kit)
    {
        void Rect(string name, double east, double north, double wide, double deep)
        {
            string Corner(double x, double y) =>
                string.Create(CultureInfo.InvariantCulture, $"[{x / 67_690:0.000000000},{52.5 + (y / 111_195):0.000000000}]");
            kit.Named(name)[0].ShapeJson =
                $$"""{"type":"Polygon","coordinates":[[{{Corner(east, north)}},{{Corner(east + wide, north)}},"""
                    + $$"""{{Corner(east + wide, north + deep)}},{{Corner(east, north + deep)}},{{Corner(east, north)}}]]}""";
        }

        Rect("Creek Field", 0, 0, 140, 100);
        Rect("Currant Rows", 150, 0, 100, 50);
        Rect("Hop Yard", 150, 58, 21.5, 20);
        Rect("Glass Lean-to", 150, 84, 7, 4);
        for (var i = 1; i <= 8; i++)
        {
            Rect($"Ridge Bed {i}", 180, 62 + ((i - 1) * 2.6), 30, 1.2);
        }
    }

    private static Dictionary<string, Sprayer> Sprayers(HoldingDb db, DateTimeOffset now)
    {
        var knapsack = new Sprayer {
            Name = "15 L knapsack, kept for biology", Kind = "knapsack", TankL = 15, Past = "biology",
            MeshUm = 300, PressureBar = 2
        };
        Calibrated(knapsack, now.AddDays(-61), new SprayerQuestion { UsedL = 1.2, SquareM2 = 25 });
        Calibrated(knapsack, now.AddDays(-260), new SprayerQuestion { UsedL = 1.05, SquareM2 = 25 });
        var boom = new Sprayer {
            Name = "400 L mounted boom", Kind = "boom", TankL = 400, Past = "fertiliser", MeshUm = 300,
            PressureBar = 2
        };
        Calibrated(boom, now.AddDays(-112), new SprayerQuestion { NozzleLPerMin = 1.6, SpeedKmPerH = 5, SpacingM = 0.5 });
        var old = new Sprayer { Name = "the old knapsack", Kind = "knapsack", TankL = 15, Past = "poison", MeshUm = 150, PressureBar = 3 };
        var can = new Sprayer { Name = "10 L watering can", Kind = "can", TankL = 10, Past = "biology" };
        var injector = new Sprayer {
            Name = "Lean-to injector", Kind = "injector", TankL = 20, Past = "fertiliser", Ratio = 100,
            MeshUm = 130
        };
        db.AddRange(knapsack, boom, old, can, injector);
        return new[] { knapsack, boom, old, can, injector }.ToDictionary(s => s.Name);
    }

    private static void Calibrated(Sprayer sprayer, DateTimeOffset at, SprayerQuestion measured) =>
        sprayer.Calibrations.Add(new SprayerCalibration {
            At = at, RecordedAt = at, Measured = measured,
            LPerHa = SprayerRate.Of(measured).Value.LPerHa
        });

    private static void Inputs(HoldingDb db)
    {
        Input Set(string name, Action<Input> set)
        {
            var input = db.Inputs.Local.FirstOrDefault(i => i.Name == name) ?? new Input { Name = name, Kind = "other" };
            set(input);
            if (input.Id == 0)
            {
                db.Add(input);
            }

            return input;
        }

        Set("castings from the bin", i => i.Price = 0.35); // what a bought bag comes to
        Set("fish hydrolysate", i => (i.Density, i.NShare, i.PShare, i.KShare, i.Ph) = (1.1, 0.02, 0.03, 0.01, 3.9));
        Set("kelp liquid", i => (i.Density, i.NShare, i.PShare, i.KShare, i.Ph) = (1.05, 0.002, 0.0005, 0.02, 6.5));
        Set("humic liquid", i => (i.Density, i.NShare, i.PShare, i.KShare, i.Ph) = (1.08, 0, 0, 0.06, 9.8));
        Set("molasses", i => (i.Density, i.NShare, i.PShare, i.KShare) = (1.4, 0.005, 0.001, 0.03));
        Set("liquid seaweed",
            i => (i.Kind, i.Price, i.Density, i.KShare, i.NShare, i.PShare, i.Ph, i.LabelRate, i.LabelBasis, i.LabelEveryDays, i.Notes) =
                ("seaweed", 9.4, 1.06, 0.05, 0.003, 0.001, 8.2, 2000, RateBasis.PerHa, 21,
                    "brown weed, alkali-made: brings potassium and a high pH"));
        Set("fulvic acid", i => (i.Kind, i.Price, i.Density, i.KShare, i.NShare, i.PShare, i.Ph, i.LabelRate, i.LabelBasis,
            i.LabelEveryDays) = ("fulvic", 11.5, 1.05, 0.01, 0, 0, 3.8, 1000, RateBasis.PerHa, 21));
        Set("dried kelp meal", i => (i.Kind, i.Price, i.KShare, i.NShare, i.PShare) = ("driedSeaweed", 1.8, 0.025, 0.01, 0.002));
        Set("Rootbank spores",
            i => (i.Kind, i.Unit, i.Price, i.Species, i.LabelPer, i.LabelRate, i.LabelBasis, i.LabelEveryDays, i.LabelWaitDays) =
                ("sporeInoculant", "L", 38, new LabelSpecies[] { new() { Name = "Bacillus subtilis", Count = 1e8 },
                    new() { Name = "Bacillus megaterium", Count = 5e7 } }, "mL", 0.2, RateBasis.PerLitre, 14, 0));
        Set("Threadwork granules", i => (i.Kind, i.Unit, i.Price, i.Species, i.LabelPer, i.LabelRate, i.LabelBasis, i.LabelEveryDays) =
            ("mycorrhiza", "kg", 26, new LabelSpecies[] { new() { Name = "Rhizophagus irregularis", Count = 140 } }, "g", 5,
                RateBasis.PerPlant, 365));
        Set("char from hedge brash", i => (i.Kind, i.Notes) = ("char", "cone pit, quenched early; char of class 450 to 600 °C by guess"));
        Set("char from hedge brash, charged", i => i.Kind = "chargedChar");
        foreach (var part in new[] { "coir", "rice hulls", "pumice", "oyster-shell flour" })
        {
            Set(part, i => (i.Kind, i.Unit) = ("part", "L"));
        }

        Set("gypsum", i => (i.Kind, i.Price, i.NShare, i.PShare, i.KShare) = ("mineral", 0.35, 0, 0, 0));
        Set("feather meal", i => (i.Kind, i.Price, i.NShare, i.PShare, i.KShare) = ("organicFeed", 1.3, 0.13, 0.003, 0));
        Set("potassium sulphate", i => (i.Kind, i.Price, i.NShare, i.PShare, i.KShare) = ("mineral", 1.5, 0, 0, 0.5));
        Set("copper for the hops", i => (i.Kind, i.Price, i.LabelWaitDays) = ("copperSpray", 14, 14));
    }

    private sealed record Stocked(string Input, string? Lot, string Mark, LotOrigin Origin, int DaysAgo, int? ExpiresIn, double Amount,
        double? Paid, double KeptC, string Place, double? Minutes = null, string? Notes = null);

    private static readonly Stocked[] Stock =
    [
        new("leaf-mould compost", "LM-1", "LM-1", LotOrigin.Made, 560, null, 2400, null, 12, "bay 1, covered", 900),
        new("leaf-mould compost", "LM-2", "LM-2", LotOrigin.Made, 120, null, 1100, null, 12, "bay 2, covered", 420),
        new("castings from the bin", "C-4", "C-4", LotOrigin.Made, 540, null, 620, null, 15, "the worm bin's tray", 300),
        new("fish hydrolysate", null, "F-24", LotOrigin.Bought, 545, -20, 5, 32.5, 16, "shed shelf"),
        new("fish hydrolysate", null, "F-25", LotOrigin.Bought, 150, 420, 10, 62, 16, "shed shelf"),
        new("kelp liquid", null, "K-11", LotOrigin.Bought, 540, 90, 5, 36, 16, "shed shelf"),
        new("humic liquid", null, "H-3", LotOrigin.Bought, 400, 330, 5, 29, 16, "shed shelf"),
        new("molasses", null, "M-2", LotOrigin.Bought, 520, 500, 20, 42, 18, "shed floor"),
        new("oat flour", null, "O-5", LotOrigin.Bought, 90, 60, 5, 7,
            18, "house"), new("ascorbic acid powder", null, "A-1", LotOrigin.Bought, 300, 430, 0.5, 9.5, 18, "house"),
        new("liquid seaweed", null, "S-7", LotOrigin.Bought, 210, 320, 5, 47, 16, "shed shelf", null, "brown weed, fresh, alkali"),
        new("fulvic acid", null, "FU-2", LotOrigin.Bought, 210, 500, 2, 23, 16, "shed shelf"),
        new("dried kelp meal", null, "DK-1", LotOrigin.Bought, 330, 700, 25, 45, 14, "barn"),
        new("Rootbank spores", null, "RB-24", LotOrigin.Bought, 600, 6, 0.5, 19, 14, "fridge in the shed"),
        new("Rootbank spores", null, "RB-25", LotOrigin.Bought, 60, 640, 1, 38, 14, "fridge in the shed"),
        new("Threadwork granules", null, "TG-1", LotOrigin.Bought, 200, 160, 2, 52, 16, "house"),
        new("char from hedge brash", null, "raw, winter burn", LotOrigin.Made, 280, null, 400, null, 10, "lidded bins", 480),
        new("char from hedge brash, charged", null, "charged in castings", LotOrigin.Made, 190, null, 260, null, 10, "bay 3", 200),
        new("coir", null, "bale 1", LotOrigin.Bought, 180, null, 150, 18, 14, "barn"),
        new("gypsum", null, "G-1", LotOrigin.Bought, 260, null, 200, 70, 12,
            "barn"), new("feather meal", null, "FM-1", LotOrigin.Bought, 170, 300, 25, 32, 12, "barn"),
        new("potassium sulphate", null, "PS-1", LotOrigin.Bought, 170, null, 25, 37, 12, "barn"),
        new("copper for the hops", null, "CU-1", LotOrigin.Bought, 380, 340, 1, 14, 12, "locked cupboard"),
    ];

    private static void Lots(HoldingDb db, DateTimeOffset now)
    {
        foreach (var s in Stock)
        {
            var input = db.Inputs.Local.First(i => i.Name == s.Input && (s.Lot is null || i.Lot == s.Lot));
            var from = now.AddDays(-s.DaysAgo);
            var lot = new StockLot {
                Mark = s.Mark, Origin = s.Origin, From = from, Expires = s.ExpiresIn is { } d ? now.AddDays(d) : null,
                Place = s.Place, KeptC = s.KeptC, Paid = s.Paid, Minutes = s.Minutes, Notes = s.Notes
            };
            lot.Entries.Add(new StockEntry { At = from, RecordedAt = from, Amount = s.Amount, Reason = StockReason.In });
            input.Lots.Add(lot);
        }
    }

    /// <summary>What each brew took, from the lots that were there then.</summary>
    private static void Brewed(HoldingDb db, DateTimeOffset now)
    {
        foreach (var batch in db.Batches.Local.Where(b => b.StartedAt is not null).OrderBy(b => b.StartedAt).ToList())
        {
            var brew = batch.Brew;
            foreach (var (kind, litres) in (brew.Foods ?? []).Select(f => (f.Kind, (f.Ml ?? 0) / 1000))
                .Concat((brew.Sources ?? []).Select(s => (s.Kind, s.Litres ?? 0))))
            {
                var input = db.Inputs.Local.FirstOrDefault(i => i.Id == batch.SourceInputId && i.Kind == kind)
                    ?? db.Inputs.Local.FirstOrDefault(i => i.Kind == kind);
                if (input is not null)
                {
                    Draw(db, input, (input.Unit ?? InputKinds.Of(input.Kind).Unit) == "L" ? litres : litres * (input.Density ?? 0.55),
                        batch.StartedAt!.Value, StockReason.Brew, batch.Id, null);
                }
            }
        }

        var fulvic = db.Lots.Local.First(l => l.Mark == "FU-2");
        fulvic.Entries.Add(new StockEntry {
            At = now.AddDays(-9), RecordedAt = now.AddDays(-9), Amount = -1.998, Reason = StockReason.Count,
            Note = "the cap had leaked: a spoonful left"
        });
        var fish = db.Lots.Local.First(l => l.Mark == "F-24");
        fish.Entries.Add(new StockEntry {
            At = now.AddDays(-100), RecordedAt = now.AddDays(-100), Amount = -0.3, Reason = StockReason.Spilt,
            Note = "knocked over in the truck"
        });
    }

    internal static List<ApplicationItem> Draw(HoldingDb db, Input input, double amount, DateTimeOffset at, StockReason reason,
        int? batchId,
        int? applicationId)
    {
        var standing = input.Lots.Where(l => l.From <= at)
            .Select(l => new LotStanding(l.Id, l.Mark, l.Entries.Sum(e => e.Amount), l.From, l.Expires)).ToList();
        var draws = Core.Shelf.Stock.Take(standing, amount, at).Value.Draws;
        foreach (var d in draws)
        {
            input.Lots.First(l => l.Id == d.LotId).Entries.Add(new StockEntry {
                At = at, RecordedAt = at, Amount = -d.Amount,
                Reason = reason, BatchId = batchId, ApplicationId = applicationId
            });
        }

        return [.. draws.Select(d => new ApplicationItem { InputId = input.Id, LotId = d.LotId, Lot = d.Mark, Name = input.Name,
            Kind = input.Kind, Amount = d.Amount, Unit = input.Unit ?? InputKinds.Of(input.Kind).Unit })];
    }
}
