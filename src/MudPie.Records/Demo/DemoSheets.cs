using MudPie.Core.Sheets;
using MudPie.Records.Judging;
using MudPie.Records.Looking;
using MudPie.Records.Works;

namespace MudPie.Records.Demo;

/// <summary>Sheets of soil, leaf and sap through the years, the lab that they come from, and what a neighbour found.</summary>
internal static class DemoSheets
{
    private const string Lab = "the county lab";

    /// <summary>Lays them in.</summary>
    public static void Add(HoldingDb db, DateTimeOffset now)
    {
        var ridge = db.Beds.Local.First(b => b.Name == "Ridge Bed 3");
        db.Labs.Add(new Lab {
            Name = Lab, Columns = [new("Analyte", ColumnMeans.What, null, null), new("Result", ColumnMeans.Value, null,
            null), new("Unit", ColumnMeans.Unit, null, null), new("Low", ColumnMeans.LabLow, null, null), new("High", ColumnMeans.LabHigh,
            null, null)]
        });
        DateOnly Ago(int days) => DateOnly.FromDateTime(now.AddDays(-days).DateTime);
        Kept(db, now.AddDays(-1300), new SheetAsked {
            Name = "Ridge Bed 3, soil as we began", For = SheetOf.Bed, BedId = ridge.Id, Lab = Lab, Cost = "34", Taken = Ago(1300),
            Method = Extraction.Mehlich3, Depth = "15 cm", Density = "1.3", Crop = CropGroup.Vegetables,
            Rows = [.. Rows("pH 5.8 |P 71 mg/kg|K 131 mg/kg|Ca 1060 mg/kg|Mg 84 mg/kg|S 14 mg/kg|B 0.5 mg/kg|Zn 2.4 mg/kg|OM 2.7 %")],
        });
        Kept(db, now.AddDays(-24), new SheetAsked {
            Name = "Ridge Bed 3, leaf", For = SheetOf.Leaf, BedId = ridge.Id, Lab = Lab, Cost = "29", Taken = Ago(24),
            Crop = CropGroup.Vegetables, Rows = [.. Rows("N 3.6 %|P 0.42 %|K 2.5 %|Ca 1.4 %|Mg 0.36 %|S 0.31 %|B 21 ppm|Zn 34 ppm|Cu 9 ppm|"
                + "Mn 96 ppm|Fe 118 ppm")],
            LabBands = [new() { Of = "K", Low = "2.8", High = "4.5", Unit = "%" },
                new() { Of = "B", Low = "25", High = "60", Unit = "ppm" }],
            Choices = [new() { Of = "K", Choice = ShortfallChoice.NextPlanting, On = Ago(20), Back = Ago(-160) }, new() { Of = "B",
                Choice = ShortfallChoice.LeafNow, On = Ago(20), Back = Ago(-4) }],
        });
        Kept(db, now.AddDays(-3), new SheetAsked {
            Name = "Ridge Bed 3, sap", For = SheetOf.Sap, BedId = ridge.Id, Lab = Lab, Cost = "26", Taken = Ago(3),
            Crop = CropGroup.Vegetables, Rows = [.. Rows("NO3-N 610 ppm|K 2300 ppm|Ca 240 ppm|Mg 310 ppm"), .. Rows("NO3-N 560 ppm|"
                + "K 1500 ppm|Ca 520 ppm|Mg 290 ppm").Select(r => r with { Age = LeafAge.Old })],
        });
        var creek = db.Zones.Local.FirstOrDefault();
        if (creek is not null)
        {
            Kept(db, now.AddDays(-240), new SheetAsked {
                Name = $"{creek.Name}, 0 to 10 cm", For = SheetOf.Bed, BedId = creek.BedId, ZoneId = creek.Id, Lab = Lab, Cost = "34",
                Taken = Ago(240), Method = Extraction.Mehlich3, Depth = "10 cm", Density = "1.35", Crop = CropGroup.Field,
                Rows = [.. Rows("pH 6.7|P 24 mg/kg|K 142 mg/kg|Ca 1840 mg/kg|Mg 190 mg/kg|S 16 mg/kg|Zn 2.1 mg/kg|CEC 14.1 meq/100 g")],
            });
        }

        db.ClaimFindings.Add(new ClaimFinding {
            Key = "grounds-stunt", From = "the allotments by the weir", Says = FoundSays.For, On = Ago(60), RecordedAt = now.AddDays(-40),
            Text = "Radish with a tenth of raw grounds, five boxes each: a third shorter at four weeks.",
        });
    }

    private static IEnumerable<SheetRow> Rows(string text) => text.Split('|').Select(t => t.Split(' ', 3)).Select(p => new SheetRow {
        Of = p[0], Value = p[1], Unit = p.Length > 2 ? p[2] : ""
    });

    private static void Kept(HoldingDb db, DateTimeOffset begun, SheetAsked asked)
    {
        var work = db.Works.Add(new Work {
            Kind = WorkKind.Sheet, Name = asked.Name!, Sheet = asked, BegunAt = begun,
            BedId = asked.BedId
        }).Entity;
        db.SaveChanges();
        foreach (var (step, days) in new[] { (WorkStep.Sampled, 0.0), (WorkStep.Sent, 1), (WorkStep.Result, 2.5) })
        {
            db.WorkLog.Add(new WorkEntry { WorkId = work.Id, Step = step, At = begun.AddDays(days), RecordedAt = begun.AddDays(days) });
        }
    }
}
