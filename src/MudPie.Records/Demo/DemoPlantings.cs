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
