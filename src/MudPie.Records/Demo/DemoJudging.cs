using MathNet.Numerics.Distributions;
using MudPie.Core.Judging;
using MudPie.Core.Judging.Together;
using MudPie.Core.Judging.Trials;
using MudPie.Records.Ground;
using MudPie.Records.Judging;
using MudPie.Records.Shelf;

namespace MudPie.Records.Demo;

/// <summary>The demo's four trials, its patches, its meter, and eighteen months of brix read morning and afternoon. Made by a model with a
/// seed and noise.</summary>
internal static class DemoJudging
{
    public static void Fill(HoldingDb db, DemoKit kit, DateTimeOffset now)
    {
        var meter = new BrixMeter { Name = "optical refractometer", Kind = "optical", Corrects = false };
        meter.Zeroes.AddRange(new[] { (40, 0.2), (19, 0.0),
            (4, 0.2) }.Select(z => new MeterZero { At = now.AddDays(-z.Item1), Showed = z.Item2 }));
        db.Add(meter);
        db.SaveChanges();
        Leaves(db, kit, meter, now);
        var garlic = Garlic(db, now);
        Beetroot(db, now);
        Dahlias(db, now);
        Oats(db, now);
        Across(db, garlic, now);
        Together(db, garlic, now);
        Patches(db, kit, now);
        db.Add(new PestCount {
            BedId = kit.Named("Ridge Bed 6")[0].Id, At = now.AddDays(-1), RecordedAt = now.AddDays(-1), Pest = "aphids",
            Count = 3, Per = "plant", Threshold = 10
        });
    }

    /// <summary>Beds read every three weeks or so, in the morning and again in the afternoon of the same day, with seasons, days and leaves
    /// that differ.</summary>
    private static void Leaves(HoldingDb db, DemoKit kit, BrixMeter meter, DateTimeOffset now)
    {
        var random = new Random(77);
        foreach (var (bed, level) in kit.Named("Ridge Bed 2", "Ridge Bed 5", "Ridge Bed 6", "Ridge Bed 7", "Currant Rows", "Hop Yard")
            .Zip(new[] { 9.6, 8.2, 8.4, 8.9, 10.4, 9.8 }))
        {
            for (var days = 520; days > 12; days -= 18 + random.Next(12))
            {
                var day = now.AddDays(-days).Date;
                var sky = random.Next(10) switch { < 5 => Sky.Clear, < 8 => Sky.Mixed, _ => Sky.Dull };
                var here = level + (0.9 * Math.Sin((day.DayOfYear - 100) / 365.0 * 2 * Math.PI)) - (sky == Sky.Dull ? 1 : 0)
                    + (0.5 * Normal.Sample(random, 0, 1));
                db.Add(Visit(bed, meter, day.AddHours(7.3 + random.NextDouble()), here - 0.7, random, LeafPosition.Top, sky));
                db.Add(Visit(bed, meter, day.AddHours(14.6 + random.NextDouble()), here + 0.5, random, LeafPosition.Top, sky));
            }
        }

        var currants = kit.Named("Currant Rows")[0];
        var yesterday = now.AddDays(-1).Date;
        var top = Visit(currants, meter, yesterday.AddHours(10), 11.2, random, LeafPosition.Top, Sky.Clear);
        top.PairKind = LeafPair.TopBottom;
        db.Add(top);
        db.SaveChanges();
        var bottom = Visit(currants, meter, yesterday.AddHours(10.2), 8.3, random, LeafPosition.Bottom, Sky.Clear);
        (bottom.PairKind, bottom.PairWithId, bottom.SamePlants) = (LeafPair.TopBottom, top.Id, true);
        db.Add(bottom);
    }

    private static BrixVisit Visit(Bed bed, BrixMeter meter, DateTime at, double level, Random random, LeafPosition leaf, Sky sky)
    {
        var temperature = Math.Round(13 + (random.NextDouble() * 11), 1);
        var visit = new BrixVisit {
            BedId = bed.Id, Crop = bed.Crop, MeterId = meter.Id, At = new DateTimeOffset(at, TimeSpan.Zero),
            RecordedAt = new DateTimeOffset(at, TimeSpan.Zero), LeafPosition = leaf, Sky = sky, TemperatureC = temperature, IsDemo = true
        };
        for (var i = 0; i < 4; i++)
        {
            var read = Math.Round(Math.Max(1, level + Normal.Sample(random, 0, 0.45)) * 5) / 5;
            visit.Readings.Add(new BrixReading { AsRead = read, At20 = BrixCorrection.To20(read, temperature).Value.Value });
        }

        return visit;
    }

    private sealed record Plan(string Question, string Crop, string Season, Design Design, TrialKind Kind, bool Liquid, string[] Factors,
        string[][] Treatments, TrialRole[] Roles, int Replicates, LayoutPlace[] Places, string Measure, double? Worth, string Template,
        int Seed, int FromDay, int? ToDay);

    private static Trial Make(HoldingDb db, Plan p, DateTimeOffset now, double? outOf = null, DatesTo dates = DatesTo.Last)
    {
        var kind = MeasureKinds.Find(p.Measure)!;
        var trial = new Trial {
            Question = p.Question,
            Crop = p.Crop,
            Season = p.Season,
            Design = p.Design,
            Kind = p.Kind,
            Liquid = p.Liquid,
            Factors = p.Factors,
            Replicates = p.Replicates,
            WorthHaving = p.Worth,
            Places = p.Places,
            TemplateId = p.Template,
            CreatedAt = now.AddDays(-p.FromDay - 20),
            StartedAt = now.AddDays(-p.FromDay),
            EndedAt = p.ToDay is { } end ? now.AddDays(-end) : null,
            State = p.ToDay is null ? TrialState.Growing : TrialState.Ended,
            IsDemo = true,
        };
        trial.Treatments.AddRange(p.Treatments.Select((levels, i) => new TrialTreatment {
            Order = i, Name = string.Join(", ", levels),
            Levels = [.. p.Factors.Zip(levels, (f, l) => new FactorLevel(f, l))], Role = p.Roles[i]
        }));
        trial.Measures.Add(new TrialMeasure {
            Order = 0, Name = kind.Name, Unit = kind.Unit, Kind = kind.Kind, Low = kind.Low,
            High = kind.High, LowerIsBetter = kind.LowerIsBetter, OutOf = outOf, Dates = dates
        });
        var layout = TrialLayout.Of(new LayoutQuestion {
            Kind = p.Kind, Design = p.Design == Design.Factorial ? Design.Blocks : p.Design,
            Treatments = [.. trial.Treatments.Select(t => t.Name)], Replicates = p.Replicates, Places = p.Places, Seed = p.Seed
        }).Value;
        trial.Seed = p.Seed;
        trial.Plots.AddRange(layout.Plots.Select(l => new TrialPlot {
            Number = l.Number, Code = l.Code,
            Treatment = trial.Treatments[l.Treatment], Block = l.Block is { } b ? $"{b}" : null, Place = p.Places[l.Place].Name, X = l.X,
            Y = l.Y, Length = l.Length, Width = l.Width
        }));
        trial.Events.Add(new TrialEvent {
            At = trial.StartedAt!.Value.AddDays(-2), Kind = "drawn",
            Text = $"Drawn by lot with seed {p.Seed}."
        });
        trial.Events.Add(new TrialEvent { At = trial.StartedAt.Value, Kind = "started", Text = $"Begun with {trial.Plots.Count} plots." });
        if (trial.EndedAt is { } ended)
        {
            trial.Events.Add(new TrialEvent { At = ended, Kind = "ended", Text = "Ended; codes opened after the last figure." });
        }

        db.Add(trial);
        db.SaveChanges();
        return trial;
    }

    private static void Measure(HoldingDb db, Trial trial, DateTimeOffset at, int seed, double noise, double blocks,
        Func<TrialTreatment, double> mean, int decimals, Func<TrialPlot, string?>? missing = null)
    {
        var random = new Random(seed);
        var ofBlock = trial.Plots.Select(p => p.Block ?? "").Distinct().ToDictionary(b => b, _ => Normal.Sample(random, 0, blocks));
        var day = new DateTimeOffset(at.UtcDateTime.Date, TimeSpan.Zero);
        foreach (var plot in trial.Plots.OrderBy(p => p.Number))
        {
            var value = Math.Round(mean(plot.Treatment) + ofBlock[plot.Block ?? ""] + Normal.Sample(random, 0, noise), decimals);
            var why = missing?.Invoke(plot);
            db.Add(new TrialReading {
                TrialId = trial.Id, PlotId = plot.Id, MeasureId = trial.Measures[0].Id, On = day, RecordedAt = at,
                Value = why is null ? value : null, MissingWhy = why
            });
        }
    }

    private static Trial Garlic(HoldingDb db, DateTimeOffset now)
    {
        var trial = Make(db, new(
            "Does tea lift garlic more than water alone?", "garlic", "last season", Design.Blocks, TrialKind.Beds, true, ["treatment"],
            [["nothing"], ["water only"], ["tea"]], [TrialRole.Control, TrialRole.Water, TrialRole.Treatment], 5,
            [.. Enumerable.Range(1, 5).Select(i => new LayoutPlace($"Ridge Bed {i}", 30, 1.2))], "yieldMetre", 0.15, "tea", 5107,
            330, 118), now);
        trial.Money = new TrialMoney { CostPerHa = 450, PricePerUnit = 2.4, Basis = "perPlot", PlotM2 = 1.2 };
        Measure(db, trial, trial.EndedAt!.Value, 14, 0.13, 0.1, t => t.Role switch
        {
            TrialRole.Control => 2.78,
            TrialRole.Water => 2.98,
            _ => 3.13
        }, 2);
        return trial;
    }

    private static void Beetroot(HoldingDb db, DateTimeOffset now)
    {
        string[] char3 = ["no char", "5 % char", "15 % char"];
        string[] soils = ["silty clay", "sandy loam"];
        var trial = Make(db, new(
            "Does charged char at 5 or 15\u00A0% lift beetroot, in two soils?", "beetroot", "this season", Design.Factorial, TrialKind.Pots,
            false, ["char", "soil"], [.. char3.SelectMany(c => soils.Select(s => new[] { c, s }))],
            [TrialRole.Control, TrialRole.Control, TrialRole.Treatment, TrialRole.Treatment, TrialRole.Treatment, TrialRole.Treatment], 4,
            [new("Nursery Bench", 7.5, 1.2)], "height", 2, "char", 831, 31, null), now, dates: DatesTo.Mean);
        trial.Displaces = "Char takes the place of coir by volume; the rest of the mix is alike.";
        trial.Noise = 1.4;
        double Mean(TrialTreatment t, double day) => (3 + (0.42 * day)) * (t.Name.Contains("sandy", StringComparison.Ordinal) ? 1.08 : 1)
            * (t.Name.StartsWith("5 %", StringComparison.Ordinal) ? 1.1 : t.Name.StartsWith("15", StringComparison.Ordinal) ? 1.04 : 1);
        Measure(db, trial, now.AddDays(-17), 21, 0.6, 0.3, t => Mean(t, 14), 1);
        Measure(db, trial, now.AddDays(-7), 22, 1.1, 0.4, t => Mean(t, 24), 1, p => p.Number == 9 ? "slugs took it" : null);
    }

    private static void Dahlias(HoldingDb db, DateTimeOffset now)
    {
        var trial = Make(db, new(
            "Do seaweed early and a mycorrhizal granule lift dahlias, alone and together?", "dahlias for cutting", "last summer",
            Design.Factorial, TrialKind.Pots, true, ["seaweed", "mycorrhiza"],
            [["no seaweed", "no mycorrhiza"], ["seaweed", "no mycorrhiza"], ["no seaweed", "mycorrhiza"], ["seaweed", "mycorrhiza"]],
            [TrialRole.Control, TrialRole.Treatment, TrialRole.Treatment, TrialRole.Treatment], 6, [new("Glass Lean-to", 7, 4)], "stems", 2,
            "seaweed", 4242, 190, 62), now);
        trial.Money = new TrialMoney { PricePerUnit = 0.35, Basis = "perPlot", PlotM2 = 0.16 };
        trial.NoWaterWhy = "every pot gets the same water by the dripper; the seaweed went in with it";
        Measure(db, trial, trial.EndedAt!.Value, 16, 0.9, 0.5, t => 11 + (t.Name.StartsWith("seaweed", StringComparison.Ordinal) ? 4.6 : 0)
            + (t.Name.EndsWith(", mycorrhiza", StringComparison.Ordinal) ? 0.2 : 0), 0);
    }

    private static void Oats(HoldingDb db, DateTimeOffset now)
    {
        var trial = Make(db, new(
            "Does extract at sowing lift oats and vetch?", "oats and vetch", "last season", Design.Pair, TrialKind.Strips, true,
            ["treatment"], [["nothing"], ["extract"]], [TrialRole.Control, TrialRole.Treatment], 1, [new("Creek Field", 140, 100)],
            "yieldHa", 0.4, "tea", 77, 260, 100), now);
        (trial.NoWaterWhy, trial.Blind) = ("no tank to spare at sowing", false);
        Measure(db, trial, trial.EndedAt!.Value, 41, 0.3, 0, t => t.Role == TrialRole.Control ? 4.3 : 4.6, 2);
    }

    /// <summary>Two gardens that joined the garlic trial with two arms, one of them on another crop. Made up.</summary>
    private static void Together(HoldingDb db, Trial garlic, DateTimeOffset now)
    {
        var mark = new Guid("6f0a3f52-9d0c-4a57-8d1e-5b3c8a1e0001");
        var held = new HeldProtocol {
            Mark = mark, Told = garlic.AsProtocol(mark, "Saltmarsh End", [212], w => ""), Ours = true, Source = "here",
            AddedAt = now.AddDays(-320)
        };
        GardenResult Found(int n, string name, string crop, ArmResult tea) => new() {
            Form = GardenResult.This, Protocol = mark, Garden = new Guid($"6f0a3f52-9d0c-4a57-8d1e-5b3c8a1e000{n}"),
            Name = name, Crop = crop,
            Season = "last season", Reference = "water only", Blind = true, ByLot = true, Arms = [tea], At = now.AddDays(-100 + n)
        };
        held.Results.AddRange(new[] {
            Found(3, "Gorse Hill", "garlic", new("tea", 0.09, 0.085, 4, 2.71, 4, 2.62)),
            Found(4, "Two Ponds", "shallots", new("tea", 0.11, 0.062, 5, 1.94, 5, 1.83)) }
            .Select(r => new HeldResult { Garden = r.Garden, Told = r, AddedAt = r.At.AddDays(1) }));
        db.Add(held);
        db.SaveChanges();
        (garlic.ProtocolId, garlic.Garden) = (held.Id, new Guid("6f0a3f52-9d0c-4a57-8d1e-5b3c8a1e0002"));
    }

    private static void Across(HoldingDb db, Trial garlic, DateTimeOffset now)
    {
        db.SaveChanges();
        var set = new AcrossSet { Name = "Tea against water only, garlic", Unit = "kg a metre", WorthHaving = 0.15, IsDemo = true };
        set.Results.AddRange(
            new AcrossResult {
                Label = "a neighbour up the creek, last season", Difference = 0.06, Variance = 0.0081,
                Source = "neighbour’s file (made up)", AddedAt = now.AddDays(-60)
            },
            new AcrossResult {
                Label = "the same, the year before", Difference = 0.21, Variance = 0.0121,
                Source = "neighbour’s file (made up)", AddedAt = now.AddDays(-60)
            });
        var readings = db.TrialReadings.Where(r => r.TrialId == garlic.Id).ToDictionary(r => r.PlotId, r => r.Value);
        var told = TrialAnalysis.Of(new TrialQuestion {
            Design = Design.Blocks, Factors = ["treatment"], Control = "water only",
            Rows = [.. garlic.Plots.Select(p => new TrialRow { Levels = [p.Treatment.Name], Block = p.Block,
                Value = readings[p.Id] })]
        }).Value;
        var tea = told.Dunnett.Single(c => c.Of == "tea");
        set.Results.Add(new AcrossResult {
            Label = "garlic, last season", Difference = tea.Difference,
            Variance = Math.Pow(tea.Difference / tea.T!.Value, 2), TrialId = garlic.Id, Source = tea.Pair, AddedAt = now.AddDays(-60)
        });
        db.Add(set);
    }

    private static void Patches(HoldingDb db, DemoKit kit, DateTimeOffset now)
    {
        var random = new Random(9);
        var (fulvic, seaweed) = (db.Inputs.First(i => i.Kind == "fulvic"), db.Inputs.First(i => i.Kind == "seaweed"));
        var at = now.AddDays(-6).Date.AddHours(9.5);
        var test = new PatchTest {
            BedId = kit.Named("Ridge Bed 6")[0].Id, At = new DateTimeOffset(at, TimeSpan.Zero), AreaM2 = 1,
            WaterMlPerM2 = 100, Seed = 9, PutOnAt = new DateTimeOffset(at.AddMinutes(25), TimeSpan.Zero), IsDemo = true
        };
        var plan = new[] { ("water", PatchRole.Water, (Input?)null, 0.1), (seaweed.Name, PatchRole.Candidate, seaweed, 2.9),
            (fulvic.Name, PatchRole.Carrier, fulvic, 0.7), ("water", PatchRole.Water, null, 0.3),
            (seaweed.Name, PatchRole.Candidate, seaweed, 3.3), (fulvic.Name, PatchRole.Carrier, fulvic, 0.4) };
        foreach (var ((name, role, input, lift), i) in plan.Select((p, i) => (p, i)))
        {
            var patch = new Patch {
                Order = i + 1, Name = name, Role = role, InputId = input?.Id, RatePerHa = input is null ? null : 5000,
                RateUnit = input is null ? null : "mL"
            };
            foreach (var (phase, level, minutes) in new[] { (PatchPhase.Before, 8.1, 0), (PatchPhase.After, 8.1 + lift, 72) })
            {
                var read = Enumerable.Range(0, 4).Select(_ => Math.Round((level + Normal.Sample(random, 0, 0.3)) * 5) / 5).ToList();
                patch.Leaves.Add(new PatchLeaves {
                    Phase = phase, At = new DateTimeOffset(at.AddMinutes(minutes), TimeSpan.Zero),
                    TemperatureC = 18, Read = [.. read.Select(r => new LeafRead(r, BrixCorrection.To20(r, 18).Value.Value))]
                });
            }

            test.Patches.Add(patch);
        }

        db.Add(test);
    }
}
