using MudPie.Core.Almanac;
using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Core.Sheets;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;
using MudPie.Core.Works;
using MudPie.Records.Shelf;
using MudPie.Records.Works;

namespace MudPie.Records.Demo;

/// <summary>The demo's worms, in a bin of four trays, and its two burns in the cone pit.</summary>
internal static class DemoWorks
{
    public static void Fill(HoldingDb db, DateTimeOffset now)
    {
        Worms(db, now);
        Burn(db, now.AddDays(-160), "burn 1, hedge brash", "1.6 m3", "340 L", "0.19", spreads: false);
        Burn(db, now.AddDays(-34), "burn 2, knotweed bank", "900 L", "150 L", null, spreads: true);
        Sheets(db, now);
        Preparations(db, now);
    }

    /// <summary>Twelve horns by the hop yard gate, nettle in peat, oak bark in the ditch: each begun at the last turn that fits
    /// it.</summary>
    private static void Preparations(HoldingDb db, DateTimeOffset now)
    {
        DateTimeOffset Last(int turn, int days) => Enumerable.Range(now.Year - 2, 3).Select(y => new DateTimeOffset(
            PreparationYear.Turn(turn, y, false).UtcDateTime.Date.AddDays(days).AddHours(10.5), TimeSpan.Zero))
            .Last(t => t < now.AddDays(-1));
        Preparation(db, new PrepAsked {
            Name = "twelve horns by the hop yard gate", Kind = "500", Count = "12",
            Of = "manure of a neighbour’s cows",
            Place = "4 paces from the gate post, toward the ridge"
        }, ("Hop Yard", 0.06, 0.1), Last(2, 5), now);
        Preparation(db, new PrepAsked {
            Name = "nettle, peat all round", Kind = "504", Of = "nettles of the creek bank",
            Place = "2 paces north of the shed corner"
        }, ("Currant Rows", 0.9, 0.9), Last(1, 0), now);
        Preparation(db, new PrepAsked {
            Name = "oak bark in the ditch", Kind = "505", Sheath = "a stoneware pot", Replaced = true,
            Place = "in the ditch below the sluice"
        }, ("Creek Field", 0.1, 0.04), Last(2, 9), now);
    }

    private static void Preparation(HoldingDb db, PrepAsked asked, (string Bed, double East, double North) mark, DateTimeOffset at,
        DateTimeOffset now)
    {
        var bed = db.Beds.AsEnumerable().FirstOrDefault(b => b.Name.StartsWith(mark.Bed, StringComparison.Ordinal)) ?? db.Beds.First();
        var work = db.Works.Add(new Work {
            Kind = WorkKind.Preparation, Name = asked.Name!, Preparation = asked, BegunAt = at, BedId = bed.Id, MarkEast = mark.East,
            MarkNorth = mark.North
        }).Entity;
        db.SaveChanges();
        var plan = PrepReading.Of(asked, UnitSystem.Metric).Value;
        var stands = PrepCourse.Of(plan, [], new PrepSky(false, null, t => t), at);
        var sky = new PrepSky(false, null, t => t);
        var buried = PrepDeeds.Do(new WorkStepAsked { Step = WorkStep.Buried }, plan, stands, UnitSystem.Metric, at);
        Keep(db, work, buried, at);
        // What is due about now was lifted, whatever the day on which the demo is opened.
        var then = PrepCourse.Of(plan, [buried.Value.Point], sky, now);
        if (sky.LiftDay(then.Span) is { } due && due < now.AddDays(PrepCourse.SpeaksDays))
        {
            var lifted = due < now.AddDays(-2) ? due : now.AddDays(-1);
            Keep(db, work, PrepDeeds.Do(new WorkStepAsked {
                Step = WorkStep.Lifted, Count = plan.Count is { } n ? $"{n - 1}" : null, Amount = "640 g", Colour = "dark",
                Smell = "of forest soil",
                Texture = "crumbles", Stored = "stoneware in peat, cellar"
            }, plan, then, UnitSystem.Metric, lifted), lifted);
        }
    }

    private static void Worms(HoldingDb db, DateTimeOffset now)
    {
        var begun = now.AddDays(-190);
        var asked = new WormsAsked {
            Name = "worm bin", Place = "north wall of the shed", Worms = "600 g",
            Trays = [.. Enumerable.Range(1, 4).Select(i => new TrayAsked { Name = $"tray {i}", Holds = "30 L" })],
        };
        var work = db.Works.Add(new Work { Kind = WorkKind.Worms, Name = asked.Name!, Worms = asked, BegunAt = begun }).Entity;
        db.SaveChanges();
        var bin = WormReading.Of(asked, UnitSystem.Metric).Value;
        var done = new List<WorkPoint>();
        void Do(double daysAgo, WorkStepAsked did)
        {
            var at = now.AddDays(-daysAgo);
            var deed = WormDeeds.Do(did, bin, WormCourse.Of(bin, done, Materials.All, at, t => t), Materials.All, UnitSystem.Metric, at);
            Keep(db, work, deed, at);
            done.Add(deed.Value.Point);
        }

        string[] food = ["kitchen scraps", "kitchen scraps", "green crop residue", "kitchen scraps", "coffee grounds"];
        void Fed(string tray, double from, double to, string each)
        {
            Do(from, new WorkStepAsked { Step = WorkStep.Bedding, Tray = tray, What = "cardboard", Amount = "8 L" });
            var i = 0;
            for (var day = from - 1; day > to; day -= 4)
            {
                Do(day, new WorkStepAsked { Step = WorkStep.Fed, Tray = tray, What = food[i++ % food.Length], Amount = each });
                if (i % 4 == 0)
                {
                    Do(day - 0.1, new WorkStepAsked { Step = WorkStep.Bedding, Tray = tray, What = "dry leaves", Amount = "4 L" });
                }
            }
        }

        Fed("tray 1", 189, 132, "1100 g");
        Do(131, new WorkStepAsked { Step = WorkStep.Full, Tray = "tray 1" });
        Fed("tray 2", 130, 72, "1000 g");
        Do(95, new WorkStepAsked { Step = WorkStep.Alarm, Note = "half a dozen on the lid after the melon" });
        Do(94.6, new WorkStepAsked { Step = WorkStep.Damp, Damp = Damp.Wet, Note = "shredded paper laid in" });
        Do(71, new WorkStepAsked { Step = WorkStep.Full, Tray = "tray 2" });
        Do(70, new WorkStepAsked { Step = WorkStep.Weighed, Amount = "900 g" });
        Fed("tray 3", 69, 3, "900 g");
        Do(22, new WorkStepAsked { Step = WorkStep.Leachate, Amount = "1.5 L" });
        Do(9, new WorkStepAsked { Step = WorkStep.Left, Share = 0 });
        Do(6, new WorkStepAsked { Step = WorkStep.Warmth, Amount = "17 °C" });
        Do(5.9, new WorkStepAsked { Step = WorkStep.Damp, Damp = Damp.Right });
        Do(1.2, new WorkStepAsked { Step = WorkStep.Ready, Tray = "tray 1", Note = "dark, crumbles, few worms left" });
    }

    /// <summary>A living base whose sample is out, and the newest sheet of the ridge.</summary>
    private static void Sheets(HoldingDb db, DateTimeOffset now)
    {
        var input = db.Inputs.Add(new Input { Name = "living base, dahlias", Kind = "mix", Unit = "L", Density = 0.42 }).Entity;
        db.SaveChanges();
        var lot = db.Lots.Add(new StockLot {
            InputId = input.Id, Mark = "autumn", Origin = LotOrigin.Made, From = now.AddDays(-16), Place = "bay 2, under the tarp",
            Notes = "coir, hulls, leaf-mould compost, castings; shell flour 2 g/L"
        }).Entity;
        db.SaveChanges();
        db.StockEntries.Add(StockEntry.Of(new StockChange(lot.Id, 240, StockReason.In, Typed: "240 L"), now.AddDays(-16),
            now.AddDays(-16)));
        int? On(string name) => db.Inputs.Local.FirstOrDefault(i => i.Name == name)?.Id;
        IReadOnlyList<SheetInputAsked> inputs = [.. new[] { "gypsum", "potassium sulphate", "feather meal", "shell flour" }.Select(On)
            .OfType<int>().Select(id => new SheetInputAsked { InputId = id, Price = id == On("shell flour") ? "0.6" : null })];
        Sheet(db, new SheetAsked {
            Name = "living base, dahlias", For = SheetOf.Mix, LotId = lot.Id, Lab = "the county lab", Cost = "38",
            Method = Extraction.SaturatedMedia,
            Density = "0.42", Held = "0.5", Crop = CropGroup.Vegetables, Inputs = inputs,
        }, now.AddDays(-15), (WorkStep.Sampled, 1), (WorkStep.Sent, 3));
        Sheet(db, new SheetAsked {
            Name = "Ridge Bed 3, soil", For = SheetOf.Bed, BedId = db.Beds.Local.FirstOrDefault(b => b.Name == "Ridge Bed 3")?.Id,
            Lab = "the county lab", Cost = "38", Method = Extraction.Mehlich3, Depth = "15 cm", Density = "1.3",
            Crop = CropGroup.Vegetables,
            Inputs = inputs, Rows = [
                Row("pH", "6.1", ""), Row("P", "64", "mg/kg"), Row("K", "96", "mg/kg"), Row("Ca", "1180", "mg/kg"),
                    Row("Mg", "88", "mg/kg"),
                Row("S", "9", "mg/kg"), Row("B", "0.4", "mg/kg"), Row("Zn", "2.6", "mg/kg"), Row("Cu", "1.4", "mg/kg"),
                Row("Mn", "above range", "mg/kg"), Row("CEC", "9.2", "meq/100 g"), Row("OM", "3.4", "%"),
            ], Choices = [new ShortfallAsked { Of = "B", Choice = ShortfallChoice.LeafNow,
                On = DateOnly.FromDateTime(now.AddDays(-180).DateTime), Back = DateOnly.FromDateTime(now.AddDays(30).DateTime) }],
            Advice = [new LabAdvice { Name = "potassium sulphate", Amount = "250" }, new LabAdvice { Name = "gypsum", Amount = "500" }],
        }, now.AddDays(-200), (WorkStep.Sampled, 1), (WorkStep.Sent, 2), (WorkStep.Result, 16));
    }

    private static SheetRow Row(string of, string value, string unit) => new() { Of = of, Value = value, Unit = unit };

    private static void Sheet(HoldingDb db, SheetAsked asked, DateTimeOffset begun, params (WorkStep Step, double Days)[] steps)
    {
        var work = db.Works.Add(new Work {
            Kind = WorkKind.Sheet, Name = asked.Name!, Sheet = asked, BegunAt = begun,
            BedId = asked.BedId
        }).Entity;
        db.SaveChanges();
        foreach (var (step, days) in steps)
        {
            db.WorkLog.Add(new WorkEntry { WorkId = work.Id, Step = step, At = begun.AddDays(days), RecordedAt = begun.AddDays(days) });
        }
    }

    private static void Burn(HoldingDb db, DateTimeOffset at, string name, string wood, string litres, string? density, bool spreads)
    {
        var asked = new BurnAsked {
            Name = name, Place = "cone pit on the ridge", Depth = "60 cm", Top = "1.5 m", Wood = spreads ? "knotweed canes and roots"
                : "hedge brash", Amount = wood, MadeAt = "450-600", Spreads = spreads,
        };
        var work = db.Works.Add(new Work { Kind = WorkKind.Burn, Name = name, Burn = asked, BegunAt = at }).Entity;
        db.SaveChanges();
        var plan = BurnBench.Of(asked, UnitSystem.Metric).Value.Plan;
        var done = new List<WorkPoint>();
        void Do(double hours, WorkStepAsked did)
        {
            var then = at.AddHours(hours);
            var deed = BurnDeeds.Do(did, plan, BurnCourse.Of(plan, done, then, t => t), UnitSystem.Metric, then);
            Keep(db, work, deed, then);
            done.Add(deed.Value.Point);
        }

        Do(0, new WorkStepAsked { Step = WorkStep.Lit, Permit = true, Water = true, Wind = "1", Note = "smoke straight up" });
        Do(1, new WorkStepAsked { Step = WorkStep.Fuelled });
        Do(2.1, new WorkStepAsked { Step = WorkStep.Quenched, Amount = "380 L" });
        Do(2.6, new WorkStepAsked { Step = WorkStep.DugOver, Amount = "60 L" });
        Do(3.7, new WorkStepAsked { Step = WorkStep.Felt, Heat = Heat.Cold });
        Do(15, new WorkStepAsked { Step = WorkStep.Felt, Heat = Heat.Cold });
        Do(16, new WorkStepAsked { Step = WorkStep.Measured, Amount = litres, Density = density });
    }

    private static void Keep(HoldingDb db, Work work, Ruling<WorkStepDone> deed, DateTimeOffset at)
    {
        if (deed.Refused is { } no)
        {
            throw new InvalidOperationException($"The demo’s {work.Name} is refused: {no.Problems[0].Field}: {no.Problems[0].Wrong}");
        }

        var entry = db.WorkLog.Add(WorkEntry.Of(work.Id, deed.Value, at.AddMinutes(2))).Entity;
        if (deed.Value.Yields is not { } yields)
        {
            return;
        }

        db.SaveChanges();
        var input = db.Inputs.FirstOrDefault(i => i.Name == yields.Name && i.Kind == yields.Kind)
            ?? db.Inputs.Add(new Input { Name = yields.Name, Kind = yields.Kind, Unit = yields.Unit }).Entity;
        db.SaveChanges();
        var lot = db.Lots.Add(new StockLot {
            InputId = input.Id, Mark = yields.Mark, Origin = LotOrigin.Made, From = at, WorkId = work.Id, Notes = yields.Notes,
            Expires = yields.KeepsDays is { } days ? at.AddDays(days) : null
        }).Entity;
        db.SaveChanges();
        var came = StockEntry.Of(new StockChange(lot.Id, yields.Litres, StockReason.In, Typed: deed.Value.Typed), at, at.AddMinutes(2));
        came.WorkEntryId = entry.Id;
        db.StockEntries.Add(came);
    }
}
