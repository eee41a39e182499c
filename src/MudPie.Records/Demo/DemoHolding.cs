using MudPie.Core.Measures;
using MudPie.Records.Ground;
using MudPie.Records.Shelf;

namespace MudPie.Records.Demo;

/// <summary>Saltmarsh End: made up, always relative to now, and marked as the demo.</summary>
public static class DemoHolding
{
    /// <summary>Fills an empty file in one transaction.</summary>
    /// <param name="db">An empty holding.</param>
    /// <param name="now">The moment everything is relative to.</param>
    /// <param name="probePort">Where a simulated probe will listen; null hangs none in the Barrel.</param>
    /// <param name="probeSettings">The file that tells the probe what it hangs in; null writes none.</param>
    public static void Fill(HoldingDb db, DateTimeOffset now, int? probePort = null, string? probeSettings = null)
    {
        now = now.AddTicks(-(now.Ticks % TimeSpan.TicksPerMinute));
        using var transaction = db.Database.BeginTransaction();
        var kit = GroundAndKit(db, now);
        db.SaveChanges();
        DemoSeason.Fill(db, kit, now);
        db.SaveChanges();
        DemoBrewhouse.Fill(db, kit, now, probePort, probeSettings);
        db.SaveChanges();
        DemoShelf.Fill(db, kit, now);
        db.SaveChanges();
        DemoJudging.Fill(db, kit, now);
        db.SaveChanges();
        DemoMixing.Fill(db, kit, now);
        DemoWorks.Fill(db, now);
        DemoLooking.Fill(db, kit, now);
        DemoPlantings.Fill(db, kit, now);
        DemoSheets.Add(db, now);
        DemoGoals.Fill(db, kit, now);
        DemoReckoning.Fill(db, kit, now);
        db.SaveChanges();
        transaction.Commit();
    }

    private static DemoKit GroundAndKit(HoldingDb db, DateTimeOffset now)
    {
        db.Add(new Holding {
            Name = "Saltmarsh End",
            Latitude = 52.5,
            Longitude = 0,
            AltitudeM = 6,
            Zone = "Europe/London",
            Units = UnitSystem.Metric,
            IsDemo = true,
            CreatedAt = now.AddMonths(-18),
        });
        string[] ridge = ["garlic", "garlic", "garlic", "fennel", "fennel", "fennel", "beetroot", "beetroot"];
        List<Bed> beds =
        [
            NewBed("Creek Field", 14_000, "1.4 ha", "oats and vetch", "annual", 7.6),
            .. ridge.Select((crop, i) => NewBed($"Ridge Bed {i + 1}", 36, "36 m²", crop, "annual", 6.1)),
            NewBed("Currant Rows", 5000, "0.5 ha", "blackcurrant", "perennial", 6.6),
            NewBed("Hop Yard", 430, "430 m²", "hops, 120 hills", "perennial", 6.9),
            NewBed("Glass Lean-to", 28, "28 m²", "dahlias in 12 L pots", "perennial", null),
            NewBed("Nursery Bench", 9, "9 m²", "modules", "annual", null),
        ];
        var mains = new WaterSource { Name = "Mains", Kind = WaterKind.Mains, Chloramine = true };
        mains.Strips.Add(new StripReading { At = now.AddDays(-9), MgPerL = 0.6 });
        var rain = new WaterSource { Name = "Rain tank", Kind = WaterKind.Rain };
        rain.Strips.Add(new StripReading { At = now.AddDays(-3), MgPerL = 0 });
        var kit = new DemoKit(
            beds, mains, rain,
            new Vessel { Name = "the Blue Bucket", Shape = "bucket", TotalL = 20, WorkingL = 17, DepthM = 0.28 },
            new Vessel { Name = "the Barrel", Shape = "barrel", TotalL = 210, WorkingL = 180, DepthM = 0.75 },
            new Vessel { Name = "the Cone", Shape = "tank", TotalL = 900, WorkingL = 765, DepthM = 1.1 },
            new Pump { Name = "Bucket pump", OpenLpm = 6, ShutOffKPa = 20 },
            new Pump { Name = "Barrel pump", OpenLpm = 60, ShutOffKPa = 32 },
            new Pump { Name = "Cone blower", OpenLpm = 420, ShutOffKPa = 40 },
            new Diffuser { Name = "Air stone", Kind = "airStone" },
            new Diffuser { Name = "Drilled pipe", Kind = "drilledPipe" },
            new Diffuser { Name = "Membrane plate", Kind = "fineMembrane" });
        db.AddRange(beds);
        db.Add(new Pump { Name = "Truck pump, on its battery", OpenLpm = 8, ShutOffKPa = 18, BatteryHours = 5 });
        db.AddRange(mains, rain, new WaterSource { Name = "the ditch", Kind = WaterKind.Surface });
        db.AddRange(kit.Bucket, kit.Barrel, kit.Cone, kit.BucketPump, kit.BarrelPump, kit.ConeBlower, kit.Stone, kit.Pipe, kit.Membrane);
        db.AddRange(
            new Input { Name = "leaf-mould compost", Kind = "compost", Lot = "LM-1" },
            new Input { Name = "leaf-mould compost", Kind = "compost", Lot = "LM-2" },
            new Input { Name = "castings from the bin", Kind = "castings", Lot = "C-4" },
            new Input { Name = "fish hydrolysate", Kind = "fishHydrolysate", Price = 6.5 },
            new Input { Name = "kelp liquid", Kind = "kelpLiquid", Price = 7.2 },
            new Input { Name = "humic liquid", Kind = "humicLiquid", Price = 5.8 },
            new Input { Name = "molasses", Kind = "molasses", Price = 2.1 },
            new Input { Name = "oat flour", Kind = "oatFlour", Price = 1.4 },
            new Input { Name = "ascorbic acid powder", Kind = "ascorbicAcid", Price = 19 });
        return kit;
    }

    private static Bed NewBed(string name, double areaM2, string typed, string crop, string growing, double? ph) =>
        new() { Name = name, AreaM2 = areaM2, AreaTyped = typed, Crop = crop, Growing = growing, SoilPh = ph };
}

/// <summary>The demo's ground and kit, by hand.</summary>
internal sealed record DemoKit(
    IReadOnlyList<Bed> Beds, WaterSource Mains, WaterSource Rain, Vessel Bucket, Vessel Barrel, Vessel Cone, Pump BucketPump,
    Pump BarrelPump, Pump ConeBlower,
    Diffuser Stone, Diffuser Pipe, Diffuser Membrane)
{
    public IReadOnlyList<Bed> Named(params string[] names) => [.. names.Select(n => Beds.First(b => b.Name == n))];

    public (Pump Pump, Diffuser Diffuser) AirOf(Vessel vessel) =>
        vessel == Bucket ? (BucketPump, Stone) : vessel == Barrel ? (BarrelPump, Pipe) : (ConeBlower, Membrane);
}
