using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Mixing;
using MudPie.Server.Web;

namespace MudPie.Server.Mixing;

/// <summary>What heaps read of the record, and how their answers are told.</summary>
public sealed class HeapDesk(HoldingDb db, HoldingClock clock)
{
    /// <summary>The table of materials with the grower's own.</summary>
    public Task<IReadOnlyList<Material>> Table() => Table(db);

    /// <inheritdoc cref="Table()"/>
    internal static async Task<IReadOnlyList<Material>> Table(HoldingDb db)
    {
        var own = (await db.OwnMaterials.AsNoTracking().OrderBy(m => m.Id).ToListAsync()).GroupBy(m => m.MaterialId ?? m.Name)
            .Select(g => g.Last());
        return Materials.With(own.Select(m =>
        {
            var house = Materials.Find(m.MaterialId);
            return new Material(house?.Id ?? $"own-{m.Name}", m.Name, m.Carbon, m.Nitrogen, m.Moisture, m.KgPerL,
                house?.DecayPerWeek ?? 0.03,
                house?.Words ?? []);
        }));
    }

    /// <summary>A heap worked out, and told.</summary>
    public async Task<Ruling<HeapBenchView>> WorkOut(HeapAsked asked)
    {
        var units = await clock.Units();
        return HeapBench.Of(asked, await Table(), units).Match<Ruling<HeapBenchView>>(w => w.With(Told(w.Value, units), ""), no => no);
    }

    /// <summary>How a heap stands now.</summary>
    public async Task<Worked<HeapStands>> Stands(Heap heap, IReadOnlyList<HeapEntry> log) => HeapCourse.Of(
        [new HeapPoint(HeapStep.Layer, heap.BuiltAt), .. log.Select(e => new HeapPoint(e.Step, e.At, e.Celsius))],
        HeapBench.Code(heap.Asked, new TypedFields(await clock.Units())), heap.Asked.Parts.Any(p => p.MaterialId == "grounds"), clock.Now,
        await clock.Local());

    /// <summary>Heaps in a line each: those that are going first.</summary>
    /// <param name="going">Only those that are not taken up.</param>
    public async Task<List<(Heap Heap, HeapStands Stands, HeapLine Line)>> Lines(bool going = false)
    {
        var taken = db.HeapLog.ThatStand().Where(e => e.Step == HeapStep.Sieved).Select(e => e.HeapId);
        var heaps = await db.Heaps.AsNoTracking().Where(h => !going || !taken.Contains(h.Id)).OrderByDescending(h => h.BuiltAt).Take(60)
            .ToListAsync();
        var ids = heaps.Select(h => h.Id).ToList();
        var log = ids.Count == 0 ? null : (await db.HeapLog.ThatStand().AsNoTracking().Where(e => ids.Contains(e.HeapId)).ToListAsync())
            .ToLookup(e => e.HeapId);
        var lines = new List<(Heap, HeapStands, HeapLine)>();
        foreach (var h in heaps)
        {
            var stands = (await Stands(h, [.. log![h.Id]])).Value;
            lines.Add((h, stands, new HeapLine(h.Id, h.Name, stands.State, stands.Verdict.Tone, await Word(stands),
                InUnits.Say(stands.Verdict.Sentence, await clock.Units()))));
        }

        return [.. lines.OrderBy(l => l.Item2.State == HeapState.Done)];
    }

    /// <summary>"61 °C, day 9".</summary>
    public async Task<string> Word(HeapStands s) => s.State switch {
        HeapState.Done => "taken up",
        HeapState.Cured => "cured",
        HeapState.Curing => $"curing, day {s.Day}",
        _ => s.LastC is { } c ? $"{Units.Show(c, Dimension.Temperature, await clock.Units())}, day {s.Day}" : $"day {s.Day}",
    };

    private static HeapBenchView Told(HeapBenchAnswer a, UnitSystem units)
    {
        string L(double litres) => Units.Show(litres, Dimension.Volume, units);
        string Kg(double kg) => Units.Show(kg * 1000, Dimension.Mass, units);
        return new HeapBenchView {
            CnShown = Say.Number(a.Recipe.Cn),
            CnBand = $"{Say.Number(a.CnLow, 2)} to {Say.Number(a.CnHigh, 2)}",
            WaterShown = $"{Say.Number(a.Recipe.Moisture * 100, 2)} %",
            MissingShown = a.Missing is null ? null : $"{L(a.MissingL!.Value)} of {a.Missing} ({Kg(a.Recipe.MissingKg!.Value)})",
            MissingBand = a.Missing is null ? null : a.MissingHighKg is { } high
                ? $"{Kg(a.MissingLowKg!.Value)} to {Kg(high)} where tables are a third off"
                : $"{Kg(a.MissingLowKg!.Value)} or more where tables are a third off",
            AddWaterShown = a.AddWaterL > 0 ? L(a.AddWaterL) : null,
            SizeSays = $"{L(a.VolumeL)} as it is laid, {Kg(a.Kg)}",
            Layers = [.. a.Parts.Select((p, i) => new HeapLayer(p.Of.Name, i, p.Litres / a.VolumeL, L(p.Litres), Kg(p.Kg),
                p.Of.Name == a.Missing))],
            Verdict = a.Verdict,
        };
    }
}
