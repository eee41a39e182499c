using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Records.Brewing;
using MudPie.Records.Ground;
using MudPie.Records.Shelf;

namespace MudPie.Records.Demo;

/// <summary>The demo's brewhouse: lots judged, a recipe in two versions, vessels cleaned, counts, what past brews taught, and the Barrel's
/// probe.</summary>
internal static class DemoBrewhouse
{
    public static void Fill(HoldingDb db, DemoKit kit, DateTimeOffset now, int? probePort, string? probeSettings)
    {
        var mould = db.Inputs.Single(i => i.Lot == "LM-1");
        var castings = db.Inputs.Single(i => i.Lot == "C-4");
        Judge(mould, now.AddMonths(-9), new SourceAnswers {
            Kind = "compost", HeatsWhenTurned = "no", HeatRecord = "kept", AgeMonths = 14,
            Manure = "none", Diseased = "no", Sterilised = "no", Moisture = "wrungOut", Smell = Smell.Earthy, BacteriaPerG = 9e8,
            FungalToBacterial = 1.1
        });
        Judge(castings, now.AddMonths(-4), new SourceAnswers {
            Kind = "castings", HeatsWhenTurned = "no", AgeMonths = 5, Manure = "none",
            Diseased = "no", Sterilised = "no", Moisture = "wrungOut", Smell = Smell.Earthy
        });
        var batches = db.Batches.Include(b => b.Log).Include(b => b.Vessel).OrderBy(b => b.UseAt).ToList();
        var recipe = HouseTea(now);
        db.Add(recipe);
        db.SaveChanges();
        foreach (var batch in batches)
        {
            var kind = batch.Brew.Sources?[0].Kind;
            batch.SourceInputId = kind == "castings" ? castings.Id : mould.Id;
            batch.RecipeVersionId = batch.Making == Making.Tea && batch.Purpose == Purpose.Leaf
                ? recipe.Versions[batch.UseAt < now.AddMonths(-6) ? 0 : 1].Id : null;
            batch.Learnt = batch.State is BatchState.Used or BatchState.Heaped && batch.Making == Making.Tea ? Taught(batch) : null;
        }

        Clean(kit, batches, now);
        db.AddRange(
            new BedCheck {
                BedId = kit.Beds[0].Id, At = now.AddMonths(-2), RecordedAt = now.AddMonths(-2), Kind = GroundTest.Cotton, Figure = 0.2,
                Weeks = 7, Life = Life.Poor
            },
            new BedCheck {
                BedId = kit.Beds[4].Id, At = now.AddMonths(-2), RecordedAt = now.AddMonths(-2), Kind = GroundTest.Cotton, Figure = 0.7,
                Weeks = 7, Life = Life.Living
            },
            new BedCheck {
                BedId = kit.Named("Currant Rows")[0].Id, At = now.AddMonths(-3), RecordedAt = now.AddMonths(-3), Kind = GroundTest.Co2,
                Figure = 48, Life = Life.Middling
            });
        var counted = batches.Last(b => b.State == BatchState.Used && b.Making == Making.Tea);
        db.AddRange(Tally(counted, TallyStage.Extracted, counted.StartedAt!.Value.AddMinutes(30), 9, 3),
            Tally(counted, TallyStage.End, counted.AirOffAt!.Value, 34, 11));
        if (probePort is { } port)
        {
            HangProbe(db, batches.Single(b => b.State == BatchState.Brewing), now, port, probeSettings);
        }
    }

    private static void Judge(Input input, DateTimeOffset at, SourceAnswers answers) =>
        input.Checks.Add(new SourceCheck { At = at, Answers = answers });

    private static Recipe HouseTea(DateTimeOffset now)
    {
        var first = Recipes.Starting.Single(r => r is { Purpose: Purpose.Leaf, Bias: Bias.Balanced, Vessel: "bucket" })
            with { Name = "House leaf tea", Note = "As it was begun." };
        var second = first with {
            Foods = [.. first.Foods!.Select(f => f.Kind == "fishHydrolysate" ? f with { Ml = f.Ml - 3 } : f)],
            Note = "A little less fish: it dipped under 6 in a warm week."
        };
        var recipe = new Recipe { Name = "House leaf tea" };
        recipe.Versions.Add(new RecipeVersion { Number = 1, At = now.AddMonths(-18), File = first });
        recipe.Versions.Add(new RecipeVersion { Number = 2, At = now.AddMonths(-6), File = second });
        return recipe;
    }

    /// <summary>What a past brew's readings taught, by the same rule as for a real one.</summary>
    private static IReadOnlyDictionary<string, double>? Taught(Batch batch)
    {
        var readings = batch.Log.Where(l => l.Kind == LogKind.Oxygen)
            .Select(l => new OxygenAt { H = (l.At - batch.StartedAt!.Value).TotalHours, MgPerL = l.Number!.Value })
            .OrderBy(r => r.H).ToList();
        if (readings.Count < 3)
        {
            return null;
        }

        var hours = Math.Ceiling(readings[^1].H) + 1;
        var off = (batch.AirOffAt!.Value - batch.StartedAt!.Value).TotalHours;
        var told = BrewForecast.Of(new ForecastQuestion(batch.Brew) {
            Hours = hours, AirOffAtH = off < hours - 2 ? off : null, Members = 60,
            Readings = readings
        }).Value;
        return told.Trusted ? Multipliers.Named(told.Learnt) : null;
    }

    /// <summary>Cleaned after every brew but the Cone's last.</summary>
    private static void Clean(DemoKit kit, List<Batch> batches, DateTimeOffset now)
    {
        foreach (var batch in batches.Where(b => b.State is BatchState.Used or BatchState.Heaped))
        {
            var last = batches.Last(b => b.VesselId == batch.VesselId && b.StartedAt is not null);
            if (batch == last && batch.VesselId == kit.Cone.Id)
            {
                continue;
            }

            var at = (batch.AirOffAt ?? batch.UseAt).AddHours(4);
            foreach (var step in CleanUp.Steps)
            {
                batch.Vessel.Cleanings.Add(new VesselCleaning {
                    At = at < now ? at : now, RecordedAt = at < now ? at : now,
                    Step = step.Id
                });
            }
        }
    }

    internal static MicroscopeTallyKept Tally(Batch batch, TallyStage stage, DateTimeOffset at, int bacteria, int threads)
    {
        var random = new Random(threads);
        var fields = Enumerable.Range(0, 20).Select(i => new TallyField {
            Bacteria = Math.Max(0, bacteria + random.Next(-bacteria / 3, (bacteria / 3) + 1)),
            Hyphae = [.. Enumerable.Range(0, i < threads ? 1 : 0)
                .Select(_ => new HyphaSeen { LengthUm = 60 + random.Next(120), WidthUm = 2 + random.NextDouble() })],
            Flagellates = i % 5 == 0 ? 1 : 0,
            Amoebae = i % 9 == 0 ? 1 : 0,
        }).ToList();
        return new MicroscopeTallyKept {
            BatchId = batch.Id,
            At = at,
            RecordedAt = at,
            Stage = stage,
            Tally = new TallyQuestion {
                FieldNumberMm = 18, Objective = 40, CoverSlipMm2 = 324, DropMl = 0.05, Dilution = 5,
                BacteriaShare = 0.1, Fields = fields
            },
        };
    }

    private static void HangProbe(HoldingDb db, Batch live, DateTimeOffset now, int port, string? settings)
    {
        db.Add(new ProbeLink {
            BatchId = live.Id, Name = "barrel-probe", Host = "127.0.0.1", Port = port, Simulated = true,
            AttachedAt = now
        });
        if (settings is not null)
        {
            File.WriteAllText(settings, System.Text.Json.JsonSerializer.Serialize(new {
                name = "barrel-probe",
                startedAt = live.StartedAt,
                brew = live.Brew,
                truth = DemoSeason.LiveTruth,
                seed = 14,
                everySeconds = 120,
                speed = 1,
                strays = new Straying(0.08, 0.15, 0.02, 0.02),
                port,
                httpPort = port + 1,
            }, Forms.Json));
        }
    }
}
