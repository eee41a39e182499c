using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Mixing;
using MudPie.Server.Brewing;
using MudPie.Server.Lots;
using MudPie.Server.Web;

namespace MudPie.Server.Mixing;

/// <summary>Heaps: what they are built of, their weeks, and what is taken up of them.</summary>
public static class HeapEndpoints
{
    /// <summary>What can be asked and done.</summary>
    public static void MapHeaps(this IEndpointRouteBuilder api)
    {
        api.MapGet("/heaps", All).ForVisitor("Heaps in a line each, and the table of materials.");
        api.MapGet("/heaps/{id:int}", One).ForVisitor("A heap as it stands: its curve, its days above 55 °C, what to do.");
        api.MapPost("/heaps/work-out", WorkOut).ForVisitor("A heap's recipe by C:N and moisture, with its band.");
        api.MapPost("/heaps", Keep).ForHand("A heap is built.");
        api.MapPost("/heaps/{id:int}/steps", Do).ForHand("Something is done at a heap, or measured of it.");
        api.MapPost("/heaps/{id:int}/probe", FromProbe).ForHand("Reads its core once from a probe, and writes it down.");
        api.MapPost("/heaps/{id:int}/steps/{entry:int}/strike", Strike)
            .ForHand("Strikes an entry out, and says why; it stays readable.");
        api.MapPost("/heaps/materials", KeepMaterial).ForHand("A material of one's own, or the house's changed.");
        api.MapGet("/heaps/{id:int}/qr.svg", (int id, HttpRequest request) => QrCodes.To(request, $"/make/heap/{id}"))
            .ForVisitor("A code that opens the heap on a telephone.");
    }

    /// <summary>The core as a probe shows it now.</summary>
    private static async Task<Results<Written<Kept>, Refused, Clash>> FromProbe(int id, HeapProbeRequest r, HoldingDb db, HeapDesk desk,
        HoldingClock clock, Writes writes)
    {
        var checks = new Checks();
        var port = (int)checks.Range("port", r.Port ?? 5181, 1, 65535, "");
        // Asked before the write begins: a slow probe must hold nobody's transaction.
        var shows = checks.Sound ? await ProbeGlance.Ask(port, clock.Now, HottestCore) : null;
        if (checks.Sound && (shows?.Newest is not { } fresh || fresh.At < clock.Now.AddMinutes(-FreshMinutes)))
        {
            checks.Add("port", shows is null ? $"Nothing at 127.0.0.1:{port} greets as a probe does." : shows.Newest is null
                ? $"{shows.Name} shows no reading." : $"{shows.Name} has shown nothing new for {FreshMinutes} minutes.",
                "Look at it and try again, or type what a thermometer says. docs/probe.md says how a probe must speak.");
        }

        return !checks.Sound ? Problems.Of(checks.Refusal) : await writes.Do<Kept>(() => HeapSteps.Write(id, new HeapStepRequest {
            Step = HeapStep.Warmth, Warmth = $"{Say.Fixed(shows!.Newest!.TemperatureC, 1)} °C",
            Note = $"by {shows.Name}{(shows.Simulated ? " (simulated)" : "")}"
        }, db, desk, clock));
    }

    private const double HottestCore = 90;

    private const int FreshMinutes = 15;

    private static async Task<Ok<HeapsView>> All(HeapDesk desk, HoldingDb db, HoldingClock clock)
    {
        var own = await db.OwnMaterials.AsNoTracking().Select(m => m.MaterialId ?? "own-" + m.Name).ToListAsync();
        var lines = await desk.Lines();
        var us = (await clock.Units()).IsUs();
        return TypedResults.Ok(new HeapsView([.. lines.Select(l => l.Line)],
            [.. (await desk.Table()).Select(m => new MaterialView(m.Id, m.Name, Math.Round(m.Carbon * 100, 4),
                Math.Round(m.Nitrogen * 100, 4),
                Math.Round(m.Moisture * 100, 4), m.KgPerL, m.Nitrogen > 0 ? Say.Number(m.Cn, 2) : "none", own.Contains(m.Id)))],
            new HeapAsked {
                Name = $"heap {lines.Count + 1}", TargetCn = "30", CodeDays = "15", CodeTurns = "5", Parts = [
                    new() { MaterialId = "grass", Amount = us ? "100 gal" : "400 L" }, new() { MaterialId = "scraps", Amount = us
                        ? "30 gal" : "100 L" },
                    new() { MaterialId = "straw", Amount = "" },
                ],
            }));
    }

    private static async Task<Results<Ok<HeapView>, Missing>> One(int id, HoldingDb db, HeapDesk desk, HoldingClock clock)
    {
        if (await db.Heaps.AsNoTracking().FirstOrDefaultAsync(h => h.Id == id) is not { } heap)
        {
            return Problems.NotFound("heap");
        }

        var units = await clock.Units();
        var all = await db.HeapLog.AsNoTracking().Where(e => e.HeapId == id).OrderBy(e => e.At).ThenBy(e => e.Id).Take(2000).ToListAsync();
        var struck = all.Where(e => e.CorrectsId is not null).ToDictionary(e => e.CorrectsId!.Value, e => e.Note);
        List<HeapEntry> log = [.. all.Where(e => e.CorrectsId is null && !struck.ContainsKey(e.Id))];
        List<HeapEntry> shown = [.. all.Where(e => e.CorrectsId is null).Reverse().Take(120)];
        var wrote = await db.WroteThese(db.HeapLog, [.. shown.Select(e => e.Id)]);
        var stands = await desk.Stands(heap, log);
        var bench = await desk.WorkOut(heap.Asked);
        double Days(DateTimeOffset at) => Math.Round((at - heap.BuiltAt).TotalDays, 3);
        string C(double c) => Units.Show(c, Dimension.Temperature, units);
        var code = HeapBench.Code(heap.Asked, new TypedFields(units));
        return TypedResults.Ok(new HeapView {
            Id = id,
            Version = heap.Version,
            Name = heap.Name,
            Place = heap.Asked.Place,
            BuiltAt = heap.BuiltAt,
            Stands = stands with {
                Value = stands.Value with {
                    Verdict = stands.Value.Verdict with {
                        Sentence = InUnits.Say(stands.Value.Verdict.Sentence, units),
                        Why = InUnits.Say(stands.Value.Verdict.Why, units)
                    }
                }
            },
            Word = await desk.Word(stands.Value),
            CodeSays = $"{Say.Number(stands.Value.Counts, 2)} of {Say.Number(code.Days)} days above {C(HeapCourse.Hot)}"
                + $"{(code.InARow ? " in a row" : "")}, {stands.Value.Turns} of {code.Turns} turnings",
            HotShown = C(HeapCourse.Hot),
            Bench = bench.Refused is null ? bench.Worked : null,
            Readings = [.. log.Where(e => e.Celsius is not null)
                .Select(e => new HeapReading(e.At, Days(e.At), e.Celsius!.Value, C(e.Celsius.Value)))],
            Turned = [.. log.Where(e => e.Step == HeapStep.Turned).Select(e => Days(e.At))],
            Log = [.. shown.Select(e => new HeapEntryView(e.Id, e.Step, e.At, Shown(e, units), e.Note,
                struck.ContainsKey(e.Id), struck.GetValueOrDefault(e.Id), wrote.Told(e.Id, e.At)))],
            Lots = [.. (await db.Lots.AsNoTracking().Where(l => l.HeapId == id).OrderBy(l => l.Id)
                .Select(l => new { l.Id, l.InputId, l.Input.Name, Left = l.Entries.Sum(e => e.Amount) }).ToListAsync())
                .Select(l => new MixLot(l.Id, l.InputId, l.Name, StockKeeper.Shown(Math.Max(0, l.Left), "L", units)))],
        });
    }

    private static string Shown(HeapEntry e, UnitSystem units)
    {
        string With(string says) => e.Litres is { } l ? $"{says}, {Units.Show(l, Dimension.Volume, units)}" : says;
        return e.Step switch {
            HeapStep.Warmth => $"core {Units.Show(e.Celsius ?? 0, Dimension.Temperature, units)}",
            HeapStep.Turned => "turned",
            HeapStep.Layer => With("a layer laid on"),
            HeapStep.Watered => With("watered"),
            HeapStep.Seen => "seen",
            HeapStep.Cured => "judged cured",
            _ => With("sieved and taken up"),
        };
    }

    private static async Task<Results<Ok<Worked<HeapBenchView>>, Refused>> WorkOut(HeapAsked asked, HeapDesk desk)
    {
        var worked = await desk.WorkOut(asked);
        return worked.Refused is { } no ? Problems.Of(no) : TypedResults.Ok(worked.Worked);
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Keep(HeapKeepRequest r, HoldingDb db, HeapDesk desk, HoldingClock clock,
        Writes writes) => writes.Do<Kept>(async () =>
    {
        var checks = new Checks();
        var heap = r.Id is { } id ? await db.Heaps.FindAsync(id) : null;
        if (r.Asked is not { } asked || (r.Id is not null && heap is null))
        {
            return Refusal.Of(r.Asked is null ? "asked" : "id", r.Asked is null ? "Nothing was asked." : "It is not there any more.",
                "Load the page again.");
        }

        var built = checks.Past("builtAt", r.BuiltAt, clock.Now);
        if (heap is null)
        {
            db.Heaps.Add(heap = new Heap { Name = "", Asked = asked, BuiltAt = built });
        }

        db.Seen(heap, r.Version, checks);
        if ((await desk.WorkOut(asked)).Refused is { } no)
        {
            checks.Add(no);
        }
        else if (await db.Heaps.AnyAsync(h => h.Name == asked.Name!.Trim() && h.Id != heap.Id))
        {
            checks.Add("name", $"There is a “{asked.Name!.Trim()}” already.", "Give it a name of its own: notes go by it.");
        }

        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        (heap.Name, heap.Asked) = (asked.Name!.Trim(), asked);
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(heap.Id));
    });

    private static Task<Results<Written<Kept>, Refused, Clash>> Do(int id, HeapStepRequest r, HoldingDb db, HeapDesk desk,
        HoldingClock clock,
        Writes writes) => writes.Do<Kept>(() => HeapSteps.Write(id, r, db, desk, clock));

    private static Task<Results<Written<Kept>, Refused, Clash>> Strike(int id, int entry, HeapStrikeRequest r, HoldingDb db,
        HoldingClock clock,
        Writes writes) => writes.Do<Kept>(() => HeapSteps.Strike(id, entry, r, db, clock));

    private static Task<Results<Written<Kept>, Refused, Clash>> KeepMaterial(MaterialRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) => writes.Do<Kept>(async () =>
    {
        var fields = new TypedFields(await clock.Units());
        if (Materials.Own(r.MaterialId, r.Name, (r.Carbon, r.Nitrogen, r.Moisture, r.KgPerL), fields) is not { } own)
        {
            return fields.Checks.Refusal;
        }

        var kept = db.OwnMaterials.Add(new OwnMaterial {
            MaterialId = Materials.Find(r.MaterialId)?.Id, Name = own.Name, Carbon = own.Carbon, Nitrogen = own.Nitrogen,
            Moisture = own.Moisture, KgPerL = own.KgPerL, At = clock.Now
        }).Entity;
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(kept.Id));
    });
}
