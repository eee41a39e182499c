using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;
using MudPie.Records.Mixing;
using MudPie.Records.Shelf;

namespace MudPie.Records.Demo;

/// <summary>The demo's jobs of mixing: the pots of the beetroot trial, filled in long since, and dahlia mixes whose char is being
/// charged.</summary>
internal static class DemoMixing
{
    public static void Fill(HoldingDb db, DemoKit kit, DateTimeOffset now)
    {
        Heaps(db, now);
        var trial = db.Trials.Local.FirstOrDefault(t => t.Crop == "beetroot");
        var begun = trial?.StartedAt ?? now.AddDays(-60);
        var parts = Parts(db);
        var beetroot = Job(db, begun.AddDays(-40), new MixRequest {
            Name = "Beetroot, charged char", Into = Filling.Pots, Pot = "3 L", Spare = "10", Loss = "10", Settle = "0", Parts = parts,
            Mixes = [Mix("no char", "8", "60", "40", null), Mix("5 % char", "8", "55", "40", "5"), Mix("15 % char", "8", "45", "40", "15")],
            Charge = new ChargeAsked { Of = 2, With = 1, Container = "20 L" }, SowOn = DateOnly.FromDateTime(begun.DateTime),
            TrialId = trial?.Id, Minutes = "150", Bought = "0.45",
        });
        var steps = new Steps(db, beetroot);
        steps.Do(MixStep.Charged, begun.AddDays(-30));
        steps.Do(MixStep.Checked, begun.AddDays(-23), Damp.Right);
        steps.Do(MixStep.Checked, begun.AddDays(-16), Damp.Dry, "the wind had got at it");
        steps.Do(MixStep.Mixed, begun.AddDays(-2));
        steps.Do(MixStep.Filled, begun.AddDays(-1), bed: kit.Named("Nursery Bench")[0].Id);
        var dahlias = Job(db, now.AddDays(-20), new MixRequest {
            Name = "Dahlias, spring pots", Into = Filling.Pots, Pot = "12 L", Spare = "10", Loss = "10", Settle = "10", Parts = parts,
            Mixes = [Mix("cuttings", "8", "70", "25", "5"), Mix("growing on", "12", "50", "40", "10")],
            Charge = new ChargeAsked { Of = 2, With = 1, Container = "20 L" }, SowOn = DateOnly.FromDateTime(now.AddDays(9).DateTime),
            BedId = kit.Named("Glass Lean-to")[0].Id, Minutes = "90", Bought = "0.45",
        });
        steps = new Steps(db, dahlias);
        steps.Do(MixStep.Charged, now.AddDays(-9));
        steps.Do(MixStep.Checked, now.AddDays(-2), Damp.Right);
    }

    /// <summary>Heap 1, cured, and heap 2, hot on its ninth day.</summary>
    private static void Heaps(HoldingDb db, DateTimeOffset now)
    {
        Heap New(string name, int daysAgo, params (string Material, string Amount)[] of)
        {
            var heap = db.Heaps.Add(new Heap {
                Name = name, BuiltAt = now.AddDays(-daysAgo).AddHours(-3), Asked = new HeapAsked {
                    Name = name, Place = "bay 3, by the hedge", TargetCn = "30", CodeDays = "15", CodeTurns = "5",
                    Parts = [.. of.Select(m => new HeapPartAsked { MaterialId = m.Material, Amount = m.Amount })],
                }
            }).Entity;
            db.SaveChanges();
            return heap;
        }

        void Log(Heap heap, double daysAgo, HeapStep step, double? c = null, string? note = null)
        {
            var at = now.AddDays(-daysAgo);
            db.HeapLog.Add(new HeapEntry {
                HeapId = heap.Id, Step = step, At = at, RecordedAt = at.AddMinutes(2), Celsius = c, Typed = c is { } t
                    ? $"{Say.Number(t)} °C" : null,
                Note = note
            });
        }

        var one = New("heap 1", 214, ("grass", "500 L"), ("cattle", "400 L"), ("straw", "1400 L"), ("brash", "300 L"));
        double[] core = [24, 41, 58, 63, 61, 57, 64, 66, 60, 56, 63, 65, 61, 58, 62, 60, 57, 59, 56, 54, 48, 41, 33, 27];
        for (var i = 0; i < core.Length; i++)
        {
            Log(one, 213 - (i * 1.5), HeapStep.Warmth, core[i]);
        }

        foreach (var day in new[] { 207, 201, 196, 191, 186, 120 })
        {
            Log(one, day, HeapStep.Turned);
        }

        Log(one, 40, HeapStep.Cured, null, "smells of earth, stayed at 16 °C after it was turned");
        var two = New("heap 2", 9, ("grass", "700 L"), ("residue", "300 L"), ("cattle", "150 L"), ("straw", "1300 L"));
        foreach (var (day, c) in new[] { (8.0, 27.0), (7.0, 38.0), (6.0, 46.0), (5.0, 52.0), (4.0, 51.0), (3.0, 54.0), (2.0, 58.0),
            (1.0, 62.0), (0.2, 61.0) })
        {
            Log(two, day, HeapStep.Warmth, c);
        }

        Log(two, 4.1, HeapStep.Turned, null, "dry on the outside: watered as it was turned");
        Log(two, 4.1, HeapStep.Watered);
    }

    private static IReadOnlyList<MixPartAsked> Parts(HoldingDb db) =>
    [
        new() { InputId = db.Inputs.Local.First(i => i.Name == "coir").Id, Pack = "70 L" },
        new() { InputId = db.Inputs.Local.First(i => i.Kind == "castings").Id },
        new() { InputId = db.Inputs.Local.First(i => i.Kind == "char").Id },
    ];

    private static MixWanted Mix(string name, string count, params string?[] shares) => new() {
        Name = name, Count = count,
        Shares = shares
    };

    private static MixJob Job(HoldingDb db, DateTimeOffset at, MixRequest asked)
    {
        var job = db.Mixes.Add(new MixJob { Name = asked.Name!, Asked = asked, At = at }).Entity;
        db.SaveChanges();
        return job;
    }

    /// <summary>Steps as the deed has them, with what they take and make.</summary>
    private sealed class Steps(HoldingDb db, MixJob job)
    {
        private readonly List<MixStepStands> _done = [];

        public void Do(MixStep step, DateTimeOffset at, Damp? damp = null, string? note = null, int? bed = null)
        {
            var shelf = db.Inputs.Local.ToDictionary(i => i.Id, i => new ShelfPart(i.Lot is null ? i.Name : $"{i.Name} {i.Lot}", i.Kind,
                1000,
                null));
            var read = MixReading.Read(job.Asked, new MixKnown(UnitSystem.Metric, shelf, DateOnly.FromDateTime(at.DateTime), null)).Value;
            var bench = MixBench.Of(read).Value;
            var deed = MixDeeds.Do(new MixStepAsked(step, damp, note), _done, bench, at, null).Value;
            var entry = db.MixLog.Add(new MixEntry {
                MixId = job.Id, Step = step, At = at, RecordedAt = at.AddMinutes(3), Damp = damp, Text = deed.Says, Note = note, BedId = bed
            }).Entity;
            db.SaveChanges();
            _done.Add(new MixStepStands(entry.Id, step, at));
            foreach (var part in deed.Takes)
            {
                var input = shelf.First(s => s.Value.Name == part.Name).Key;
                Add(db.Lots.Local.Where(l => l.InputId == input).OrderBy(l => l.From).First().Id, -part.Litres, StockReason.Made, entry,
                    at);
            }

            if (deed.Blend is { } blend)
            {
                Add(step == MixStep.Charged ? Lot(blend.Name, "chargedChar", job.Name, deed.Says, at) : Made("chargedChar").Id,
                    step == MixStep.Charged ? blend.Litres : -blend.Litres, step == MixStep.Charged ? StockReason.In : StockReason.Made,
                        entry, at);
            }

            foreach (var mix in deed.Makes)
            {
                var notes = $"mixed as “{mix.Name}” of {job.Name}";
                Add(step == MixStep.Mixed ? Lot($"{job.Name}: {mix.Name}", "mix", Say.Date(at), notes, at)
                    : Made("mix", notes).Id, step == MixStep.Mixed ? mix.Litres : -mix.Litres, step == MixStep.Mixed ? StockReason.In
                        : StockReason.Used, entry, at);
            }

            db.SaveChanges();
        }

        private StockLot Made(string kind, string? notes = null) =>
            db.Lots.Local.Last(l => l.MixId == job.Id && l.Input.Kind == kind && (notes is null || l.Notes == notes));

        private int Lot(string name, string kind, string mark, string notes, DateTimeOffset at)
        {
            var input = db.Inputs.Local.FirstOrDefault(i => i.Name == name && i.Kind == kind)
                ?? db.Inputs.Add(new Input { Name = name, Kind = kind, Unit = "L" }).Entity;
            db.SaveChanges();
            var lot = db.Lots.Add(new StockLot {
                InputId = input.Id, Input = input, Mark = mark, Origin = LotOrigin.Made, From = at, Notes = notes, MixId = job.Id
            }).Entity;
            db.SaveChanges();
            return lot.Id;
        }

        private void Add(int lot, double amount, StockReason reason, MixEntry entry, DateTimeOffset at)
        {
            var added = StockEntry.Of(new StockChange(lot, amount, reason, job.Name), at, at.AddMinutes(3));
            added.MixEntryId = entry.Id;
            db.StockEntries.Add(added);
        }
    }
}
