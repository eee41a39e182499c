using MudPie.Core.Looking;
using MudPie.Core.Measures;
using MudPie.Records.Ground;
using MudPie.Records.Looking;

namespace MudPie.Records.Demo;

/// <summary>What grew where on the demo's beds for two years, what was done to them, rain and watering.</summary>
internal static class DemoPlantings
{
    public static void Fill(HoldingDb db, DemoKit kit, DateTimeOffset now)
    {
        DateTimeOffset Day(int monthsAgo, int day) => new(now.AddMonths(-monthsAgo).Year, now.AddMonths(-monthsAgo).Month, day, 9, 0, 0,
            TimeSpan.Zero);
        var stands = db.Plantings.ToDictionary(p => p.BedId);
        void Before(Bed bed, string crop, DateTimeOffset from, DateTimeOffset to, DateTimeOffset? began, FieldDeed how)
        {
            db.Plantings.Add(new Planting { BedId = bed.Id, Crop = crop, From = from, To = to, Growing = "annual", Eaten = bed.Eaten });
            if (began is { } at)
            {
                stands[bed.Id].From = at;
                Log(db, bed, new FieldAsked { Deed = how, Crop = bed.Crop }, at, stands[bed.Id]);
            }
        }

        var ridge = kit.Beds.Where(b => b.Name.StartsWith("Ridge", StringComparison.Ordinal)).ToList();
        string[] last = ["broad beans", "broad beans", "lettuce", "garlic", "garlic", "beetroot", "fennel", "onions"];
        foreach (var (bed, i) in ridge.Select((b, i) => (b, i)))
        {
            Before(bed, last[i], Day(19, 4 + i), Day(10, 6), Day(i < 3 ? 8 : 3, 9 + i), i < 3 ? FieldDeed.Planted : FieldDeed.Sowed);
            Log(db, bed, new FieldAsked { Deed = FieldDeed.Mulched, Note = "straw" }, Day(2, 3 + i), null);
        }

        var creek = kit.Named("Creek Field")[0];
        Before(creek, "spring barley", Day(20, 12), Day(12, 20), Day(9, 18), FieldDeed.Sowed);
        Log(db, creek, new FieldAsked { Deed = FieldDeed.Tilled, Amount = "8 cm" }, Day(9, 16), null);
        Log(db, creek, new FieldAsked { Deed = FieldDeed.Mowed, Note = "topped, thistles" }, Day(1, 2), null);
        foreach (var (name, months) in new[] { ("Glass Lean-to", 2), ("Nursery Bench", 1) })
        {
            stands[kit.Named(name)[0].Id].From = Day(months, 5);
        }

        var random = new Random(52);
        for (var days = 700; days > 0; days -= 3 + random.Next(9))
        {
            Log(db, null, new FieldAsked { Deed = FieldDeed.Rain, Amount = $"{2 + random.Next(15)} mm" }, now.AddDays(-days), null);
        }

        for (var days = 60; days > 0; days -= 6)
        {
            Log(db, ridge[(days / 6) % 8], new FieldAsked { Deed = FieldDeed.Watered, Amount = "120 L" }, now.AddDays(-days).AddHours(2),
                null);
        }

        db.SaveChanges();
    }

    private static void Log(HoldingDb db, Bed? bed, FieldAsked asked, DateTimeOffset at, Planting? began)
    {
        var entry = FieldDeeds.Do(asked, bed?.AreaM2, UnitSystem.Metric).Value;
        db.SaveChanges();
        db.FieldLog.Add(new FieldLog {
            BedId = bed?.Id, At = at, RecordedAt = at, Deed = entry.Deed, Mm = entry.Mm, Litres = entry.Litres, DepthCm = entry.DepthCm,
            Crop = entry.Crop, Typed = asked.Amount, Note = entry.Note, PlantingId = began?.Id
        });
    }
}

/// <summary>The demo's three goals, of which one is behind.</summary>
internal static class DemoGoals
{
    public static void Fill(HoldingDb db, DemoKit kit, DateTimeOffset now)
    {
        var (on, by) = (DateOnly.FromDateTime(now.AddMonths(-17).Date), DateOnly.FromDateTime(now.AddMonths(19).Date));
        var currants = kit.Named("Currant Rows")[0];
        db.Goals.AddRange(
            new Goal {
                Name = "less bought nitrogen", Measure = GoalMeasure.BoughtNitrogen, BaselineOn = on, Baseline = 18, TargetOn = by,
                Target = 4,
                BaselineFrom = "the notebook of the year before", Met = "twelve months under 4 kg a hectare",
                IfMissed = "clover under the oats, and grounds from the café"
            },
            new Goal {
                Name = "softer ground", Measure = GoalMeasure.Check, Check = CheckKind.Rod, BedId = kit.Named("Creek Field")[0].Id,
                BaselineOn = on, Baseline = 2.9, TargetOn = by, Target = 1.6, BaselineFrom = "the first push, before we began",
                Met = "no depth over 2 MPa in spring", IfMissed = "tap roots for a year, and no wheels when wet"
            },
            new Goal {
                Name = "brix on the currants above 11 by July", Measure = GoalMeasure.Brix, BedId = currants.Id, BaselineOn = on,
                Baseline = 8,
                TargetOn = DateOnly.FromDateTime(now.AddMonths(1).Date), Target = 11, Met = "three visits above 11",
                IfMissed = "a leaf sheet before anything else is bought"
            });
        // What was spread on the field and counts as bought nitrogen: more than the line allows.
        var meal = db.Inputs.First(i => i.Name == "feather meal");
        foreach (var (months, kg) in new[] { (10, 110.0), (5, 130.0) })
        {
            var job = new PuttingOut.Application {
                At = now.AddMonths(-months), RecordedAt = now.AddMonths(-months), Purpose = Purpose.Root, Dilution = "", OneIn = 1,
                Tool = "spreader, by the barrow", Fitness = "none", CautionsSeen = "", Solid = true, Who = "the field hand",
                Why = "the oats stood pale"
            };
            job.Beds.Add(new PuttingOut.ApplicationBed { BedId = kit.Named("Creek Field")[0].Id });
            job.Items.Add(new PuttingOut.ApplicationItem {
                InputId = meal.Id, Name = meal.Name, Kind = meal.Kind, Amount = kg,
                Unit = "kg"
            });
            db.Applications.Add(job);
        }

        db.SaveChanges();
        var goal = db.Goals.Local.First(g => g.BedId == currants.Id);
        var last = db.Applications.OrderByDescending(a => a.At).FirstOrDefault(a => a.Beds.Any(b => b.BedId == currants.Id)
            && a.CorrectsId == null);
        if (last is not null)
        {
            db.GoalThings.Add(new GoalThing { GoalId = goal.Id, Kind = "job", ThingId = last.Id });
        }

        db.SaveChanges();
    }
}
