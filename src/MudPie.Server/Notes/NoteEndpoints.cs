using Microsoft.EntityFrameworkCore;
using MudPie.Core.Book;
using MudPie.Core.Brewing;
using MudPie.Core.Judging;
using MudPie.Core.Measures;
using MudPie.Core.Notes;
using MudPie.Core.PuttingOut;
using MudPie.Core.Shelf;
using MudPie.Core.Workings;
using MudPie.Core.Works;
using MudPie.Records;
using MudPie.Records.Book;
using MudPie.Records.Ground;
using MudPie.Records.Judging;
using MudPie.Records.PuttingOut;
using MudPie.Records.Shelf;
using MudPie.Server.Looking;
using MudPie.Server.Lots;
using MudPie.Server.Mixing;
using MudPie.Server.PuttingOut;
using MudPie.Server.Weather;
using MudPie.Server.Web;
using MudPie.Server.Works;

namespace MudPie.Server.Notes;

/// <summary>A note as typed or said.</summary>
/// <param name="Text">The phrase.</param>
/// <param name="TargetId">Which of the things it may mean; null where there is one.</param>
/// <param name="CautionsSeen">Cautions that were shown with it.</param>
/// <param name="At">When it was said, where it was kept on a phone until there was a signal; null for now.</param>
public sealed record NoteRequest(string? Text, int? TargetId = null, IReadOnlyList<string>? CautionsSeen = null,
    DateTimeOffset? At = null);

/// <summary>What was understood, and what there is to mind before it is written.</summary>
/// <param name="Understood">Word for word.</param>
/// <param name="Where">What it will be written to.</param>
/// <param name="Cautions">To be read first.</param>
/// <param name="Minds">What else there is to mind.</param>
public sealed record NoteView(NoteUnderstood Understood, string Where, IReadOnlyList<Caution> Cautions, IReadOnlyList<string> Minds);

/// <summary>What was written, and where it can be seen.</summary>
public sealed record NoteKept(string Sentence, string Link);

/// <summary>Note it: a phrase to a record, shown before it is written.</summary>
public static class NoteEndpoints
{
    /// <summary>What can be done.</summary>
    public static void MapNotes(this IEndpointRouteBuilder api)
    {
        api.MapPost("/notes/read", Read).ForVisitor("A phrase, and what it is understood as.");
        api.MapPost("/notes", Keep).ForHand("Keeps what a phrase says where it belongs.");
    }

    private static async Task<List<Nameable>> Names(HoldingDb db)
    {
        var going = await db.Batches.AsNoTracking().Where(b => b.State == BatchState.Brewing || b.State == BatchState.Off)
            .Select(b => b.VesselId).ToListAsync();
        static string[] Shapes(string shape) => shape switch {
            "bucket" => ["bucket", "pail"],
            "barrel" => ["barrel", "drum", "cask"],
            _ =>
            ["tank", "brewer"]
        };
        return [.. (await db.Vessels.AsNoTracking().ToListAsync()).OrderByDescending(v => going.Contains(v.Id))
            .Select(v => new Nameable(NameOf.Vessel, v.Id, v.Name, Shapes(v.Shape))),
            .. (await db.Beds.AsNoTracking().OrderBy(b => b.Id).ToListAsync())
                .Select(b => new Nameable(NameOf.Bed, b.Id, b.Name, [b.Crop])),
            .. (await db.Waters.AsNoTracking().OrderBy(w => w.Id).ToListAsync()).Select(w =>
                new Nameable(NameOf.Water, w.Id, w.Name, [w.Kind.Word()])),
            .. (await db.Inputs.AsNoTracking().Where(i => i.UnfitWhy == null).OrderBy(i => i.Id).ToListAsync()).Select(i =>
                new Nameable(NameOf.Input, i.Id, i.Name, [InputKinds.Of(i.Kind).Name, i.Lot ?? ""])),
            .. (await db.Sprayers.AsNoTracking().OrderBy(s => s.Id).ToListAsync())
                .Select(s => new Nameable(NameOf.Sprayer, s.Id, s.Name, [])),
            .. (await db.Heaps.AsNoTracking().Where(h => !h.Log.Any(e => e.Step == HeapStep.Sieved)).OrderByDescending(h => h.BuiltAt)
                .Take(20)
                .ToListAsync()).Select(h => new Nameable(NameOf.Heap, h.Id, h.Name, ["heap"])),
            .. (await db.Works.AsNoTracking().Where(w => w.Kind == WorkKind.Worms).OrderByDescending(w => w.BegunAt).Take(20)
                .Select(w => new { w.Id, w.Name }).ToListAsync()).Select(w => new Nameable(NameOf.Worms, w.Id, w.Name, ["worms", "worm"]))];
    }

    private static async Task<Results<Ok<NoteView>, Refused>> Read(NoteRequest r, HoldingDb db, HoldingClock clock, StockKeeper stock,
        TankMixing mixes)
    {
        var read = NoteIt.Read(r.Text, await Names(db), await clock.Units());
        if (read.Refused is { } refused)
        {
            return Problems.Of(refused);
        }

        var u = read.Value;
        var target = u.Targets.FirstOrDefault(t => t.Id == r.TargetId) ?? (u.Targets.Count == 1 ? u.Targets[0] : null);
        List<string> minds = [];
        if (u.Kind == NoteKind.Harvest && target is not null
            && (await Book.Waits.Running(db, clock.Now)).FirstOrDefault(w => w.BedId == target.Id) is { } wait)
        {
            minds.Add($"{wait.Bed} waits until {Say.Date((await clock.Local())(wait.Until))} after {wait.What}: {wait.Reason}.");
        }

        if (u.Kind == NoteKind.Brix && u.TemperatureC is null)
        {
            minds.Add("No warmth of the meter was said: kept as a meter that corrects itself. Add “18 C” if yours does not.");
        }

        if (u.Kind == NoteKind.Brix && u.Sky is null)
        {
            minds.Add("The sky was not said: taken from the weather where that is known, else left as not known. Add “clear”, “mixed” or "
                + "“dull”.");
        }

        if (u.Kind == NoteKind.Brix && u.Word is { } leaf && !(r.Text ?? "").Contains(leaf, StringComparison.OrdinalIgnoreCase))
        {
            minds.Add($"The leaf was not said: kept as the {leaf} leaf.");
        }

        if (u.Kind == NoteKind.Use && target is not null)
        {
            var noted = await db.Inputs.AsNoTracking().FirstAsync(i => i.Id == u.Input!.Id);
            var (sprayer, mixing) = await mixes.Alone(noted, u.Tool?.Id, [target.Id], clock.Now);
            minds.AddRange(new[] { mixing.Verdict, sprayer?.Verdict }.OfType<Verdict>().Where(v => v.Tone == Tone.Stop)
                .Select(v => $"{v.Sentence} {v.Why}"));
        }

        List<Caution> cautions = u.Kind == NoteKind.Use ? [Cautions.Spraying, Cautions.RunOff] : [];
        if (u.Kind == NoteKind.Use && await db.Inputs.AsNoTracking().FirstOrDefaultAsync(i => i.Id == u.Input!.Id) is { } input
            && InUnit(u, input) is { } amount
            && await db.Lots.AnyAsync(l => l.InputId == input.Id) && (await stock.Plan(input.Id, amount, clock.Now)).Short > 0)
        {
            cautions.Add(Cautions.StockShort);
        }

        return TypedResults.Ok(new NoteView(u, target?.Name ?? (u.Choose ? "choose which" : u.Kind == NoteKind.Field ? "all the ground"
            : "the book"), cautions, minds));
    }

    /// <summary>The amount in the unit of the input's lots; null where it can't be told without a density.</summary>
    private static double? InUnit(NoteUnderstood u, Input input)
    {
        var (kept, said) = (StockKeeper.UnitOf(input), u.AmountUnit);
        return (kept == "L", said == "L") switch {
            (true, true) => u.Amount,
            (false, false) => u.Amount / 1000,
            (true, false) => u.Amount / 1000 / input.Density,
            _ => u.Amount * input.Density,
        };
    }

    private static Task<Results<Written<NoteKept>, Refused, Clash>> Keep(NoteRequest r, HoldingDb db, HoldingClock clock, StockKeeper stock,
        WeatherBook weather,
        TankMixing mixes, HeapDesk heaps, WorkDesk works, Writes writes) => writes.Do<NoteKept>(async () =>
    {
        var read = NoteIt.Read(r.Text, await Names(db), await clock.Units());
        if (read.Refused is { } refused)
        {
            return refused;
        }

        var u = read.Value;
        var target = u.Targets.FirstOrDefault(t => t.Id == r.TargetId) ?? (u.Targets.Count == 1 ? u.Targets[0] : null);
        if (target is null && (u.Choose || u.Kind is not (NoteKind.Note or NoteKind.Field)))
        {
            return Refusal.Of("targetId", "It can mean several.", $"Choose one of {Say.List([.. u.Targets.Select(t => t.Name)])}.");
        }

        var checks = new Checks();
        var saidAt = checks.Past("at", r.At, clock.Now);
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        if (When(u.ClockTime, saidAt, await clock.Local()) is not { } at)
        {
            return Refusal.Of("text", $"No clock there showed {u.ClockTime} today: it was left out when the clocks went forward.",
                "Say a time that was.");
        }

        return u.Kind switch {
            NoteKind.Brix => await Brix(u, target!, at, db, clock, weather),
            NoteKind.Strip => await Strip(u, target!, at, db),
            NoteKind.Harvest => await Harvest(u, r.Text!.Trim(), target!, at, db, clock),
            NoteKind.HeapWarmth or NoteKind.Turned => await AtHeap(u, target!, at, db, heaps, clock),
            NoteKind.Field => await Field(u, target, at, db, clock),
            NoteKind.WormsFed => await Fed(u, target!, at, db, works, clock),
            NoteKind.Use => await Use(u, target!, at, r.CautionsSeen ?? [], db, clock, stock, weather, mixes),
            NoteKind.Note when target is not { Kind: NameOf.Vessel } => await Seen(u, target, at, db, clock),
            _ => await InBatch(u, r.Text!.Trim(), target!, at, db, clock),
        };
    });

    /// <summary>A time of today, or of yesterday where it has not come yet.</summary>
    private static DateTimeOffset? When(string? time, DateTimeOffset now, Func<DateTimeOffset, DateTimeOffset> local) =>
        time is null || !TimeOnly.TryParse(time, System.Globalization.CultureInfo.InvariantCulture, out var clock)
            ? now : LocalTimes.Last(clock, now, local);

    private static async Task<Ruling<NoteKept>> InBatch(NoteUnderstood u, string phrase, Nameable vessel, DateTimeOffset at,
        HoldingDb db, HoldingClock clock)
    {
        var batch = await db.Batches.Where(b => b.VesselId == vessel.Id && (b.State == BatchState.Brewing || b.State == BatchState.Off))
            .OrderByDescending(b => b.StartedAt).FirstOrDefaultAsync();
        if (batch is null)
        {
            return Refusal.Of("text", $"Nothing is going in {vessel.Name}.", "Start its batch first, or name another vessel.");
        }

        var kind = Words.Read<LogKind>(u.Kind.Word()) ?? LogKind.Note;
        var said = u.Numbers.Count > 0 ? u.Numbers.Select(n => BrewSaid.Of(kind, n, phrase)) : [BrewSaid.Of(kind, u.Word)];
        foreach (var one in said)
        {
            var deed = BrewDeeds.Log(batch.Stands(), kind, one, at, clock.Now);
            if (deed.Refused is { } refused)
            {
                return InText(refused);
            }

            batch.Take(deed.Value, clock.Now, "hand");
        }

        await db.SaveChangesAsync();
        return Writes.Done(new NoteKept(u.Sentence, $"/brew/{batch.Id}"));
    }

    private static async Task<Ruling<NoteKept>> AtHeap(NoteUnderstood u, Nameable heap, DateTimeOffset at, HoldingDb db, HeapDesk heaps,
        HoldingClock clock)
    {
        var said = u.Numbers.Count == 0 ? [new HeapStepRequest { Step = HeapStep.Turned, At = at }]
            : u.Numbers.Select(n => new HeapStepRequest { Step = HeapStep.Warmth, Warmth = $"{Say.Number(n, 5)} °C", At = at });
        foreach (var one in said)
        {
            if ((await HeapSteps.Write(heap.Id, one, db, heaps, clock)).Refused is { } refused)
            {
                return InText(refused);
            }
        }

        return Writes.Done(new NoteKept(u.Sentence, $"/make/heap/{heap.Id}"));
    }

    private static async Task<Ruling<NoteKept>> Field(NoteUnderstood u, Nameable? bed, DateTimeOffset at, HoldingDb db,
        HoldingClock clock) =>
        (await FieldEndpoints.Write(bed is null ? [] : [bed.Id], u.Field!, at, db, clock)).Refused is { } refused ? InText(refused)
            : Writes.Done(new NoteKept(u.Sentence, "/look/plantings"));

    private static async Task<Ruling<NoteKept>> Fed(NoteUnderstood u, Nameable bin, DateTimeOffset at, HoldingDb db, WorkDesk works,
        HoldingClock clock)
    {
        var did = new WorkStepAsked { Step = WorkStep.Fed, What = u.Word, Amount = $"{Say.Number(u.Amount!.Value, 6)} {u.AmountUnit}" };
        return (await WorkSteps.Write(bin.Id, new WorkStepRequest(did, at), db, works, clock)).Refused is { } refused ? InText(refused)
            : Writes.Done(new NoteKept(u.Sentence, $"/make/worms/{bin.Id}"));
    }

    private static async Task<Ruling<NoteKept>> Strip(NoteUnderstood u, Nameable water, DateTimeOffset at, HoldingDb db)
    {
        db.Strips.AddRange(u.Numbers.Select(n => new StripReading { WaterSourceId = water.Id, At = at, MgPerL = n }));
        await db.SaveChangesAsync();
        return Writes.Done(new NoteKept(u.Sentence, "/brew/water"));
    }

    private static async Task<Ruling<NoteKept>> Brix(NoteUnderstood u, Nameable bed, DateTimeOffset at, HoldingDb db, HoldingClock clock,
        WeatherBook weather)
    {
        var hours = await weather.Hours(at.AddDays(-3), at);
        // Said, or seen by the weather that is known; else not known, and nothing is made of it.
        var sky = u.Sky ?? (hours.Count == 0 ? Sky.Unknown : hours.Average(h => h.CloudShare) switch {
            < 0.35 => Sky.Clear,
            < 0.7 => Sky.Mixed,
            _ => Sky.Dull
        });
        var since = at.AddDays(-10);
        var spray = await db.Applications.ThatStand().Where(a => a.At > since && a.At < at && a.Beds.Any(b => b.BedId == bed.Id)
            && a.Purpose == Purpose.Leaf).OrderByDescending(a => a.At).Select(a => (int?)a.Id).FirstOrDefaultAsync();
        var visit = new BrixVisit {
            BedId = bed.Id, ApplicationId = spray, At = at, RecordedAt = clock.Now,
            LeafPosition = Words.Read<LeafPosition>(u.Word) ?? LeafPosition.Top,
            Sky = sky, Dry = u.Dry, Crop = await PlantingBook.CropAt(db, bed.Id, at),
            MeterCorrects = u.TemperatureC is null, TemperatureC = u.TemperatureC
        };
        foreach (var read in u.Numbers)
        {
            var at20 = u.TemperatureC is null ? read : BrixCorrection.To20(read, u.TemperatureC) is { Refused: null } c
                ? c.Value.Value : double.NaN;
            if (double.IsNaN(at20))
            {
                return Refusal.Of("text", "At that warmth the correction table says nothing.",
                    "Let the meter come indoors for ten minutes and read again: 10 to 30 °C.");
            }

            visit.Readings.Add(new BrixReading { AsRead = read, At20 = at20 });
        }

        db.BrixVisits.Add(visit);
        await db.SaveChangesAsync();
        return Writes.Done(new NoteKept(u.Sentence, "/judge/brix"));
    }

    private static async Task<Ruling<NoteKept>> Harvest(NoteUnderstood u, string phrase, Nameable bed, DateTimeOffset at, HoldingDb db,
        HoldingClock clock)
    {
        var crop = await PlantingBook.CropAt(db, bed.Id, at);
        var weight = Worked.Of(new Amount(phrase, u.Numbers[0], $"{Say.Number(u.Numbers[0])} kg", null), "kg", Evidence.MeasuredHere);
        var deed = BookDeeds.Harvest(crop, weight, null, at, Righted.None, clock.Now);
        if (deed.Refused is { } refused)
        {
            return InText(refused);
        }

        db.Harvests.Add(HarvestEntry.Of(deed.Value, bed.Id, null, clock.Now));
        await db.SaveChangesAsync();
        return Writes.Done(new NoteKept(u.Sentence, $"/book?bed={bed.Id}"));
    }

    private static async Task<Ruling<NoteKept>> Seen(NoteUnderstood u, Nameable? bed, DateTimeOffset at, HoldingDb db, HoldingClock clock)
    {
        var deed = BookDeeds.Sight(u.Word, true, at, Righted.None, clock.Now);
        if (deed.Refused is { } refused)
        {
            return InText(refused);
        }

        db.Observations.Add(Observation.Of(deed.Value, bed?.Id, null, clock.Now));
        await db.SaveChangesAsync();
        return Writes.Done(new NoteKept(u.Sentence, bed is null ? "/book" : $"/book?bed={bed.Id}"));
    }

    /// <summary>Whatever a deed found wrong, the phrase is the one field that there is.</summary>
    private static Refusal InText(Refusal refused) => new([.. refused.Problems.Select(p => p with { Field = "text" })]);

    private static async Task<Ruling<NoteKept>> Use(NoteUnderstood u, Nameable bed, DateTimeOffset at, IReadOnlyList<string> seen,
        HoldingDb db, HoldingClock clock, StockKeeper stock, WeatherBook weather, TankMixing mixes)
    {
        var input = await db.Inputs.FirstAsync(i => i.Id == u.Input!.Id);
        var unit = StockKeeper.UnitOf(input);
        if (InUnit(u, input) is not { } amount)
        {
            return Refusal.Of("text", $"{input.Name} is kept in {(unit == "L" ? "litres" : "kilograms")}.",
                $"Say how much in {(unit == "L" ? "litres" : "grams")}, or give its density on the shelf.");
        }

        var counted = await db.Lots.AnyAsync(l => l.InputId == input.Id);
        var draw = await stock.Plan(input.Id, amount, at);
        var (sprayer, mixing) = await mixes.Alone(input, u.Tool?.Id, [bed.Id], at);
        List<(string, string)> shorts = counted && draw.Short > 0
            ? [(input.Name, $"{StockKeeper.Shown(draw.Short, unit, await clock.Units())} short")] : [];
        // A phrase has no room for a reason: what wants one is put down under Tank.
        var deed = PutOutDeeds.Keep(new JobStands(null, sprayer, mixing, [Cautions.Spraying, Cautions.RunOff], shorts),
            new JobSaid(null, null, seen));
        if (deed.Refused is { } refused)
        {
            return new Refusal([.. refused.Problems.Select(p => p.Field switch {
                "mixWhy" or "items" when mixing.Verdict.Tone == Tone.Stop && shorts.Count == 0 => p with { Field = "text",
                    WayOut = $"{mixing.Verdict.Why} Wait; or put it down under Tank, where a reason is asked for and kept." },
                "cautionsSeen" => p,
                _ => p with { Field = "text" },
            })]);
        }

        var (entries, draws) = counted ? await stock.WriteUse(input.Id, draw, at) : ([], []);
        var job = new Application {
            At = at, RecordedAt = clock.Now, Purpose = u.Purpose ?? Purpose.Root, Dilution = "", OneIn = 1,
            Tool = u.Tool?.Name ?? "by hand", SprayerId = u.Tool?.Id, Fitness = "none", CautionsSeen = string.Join(' ', seen),
            Why = "noted",
            Weather = await weather.At(at, await clock.Units())
        };
        job.Beds.Add(new ApplicationBed { BedId = bed.Id });
        job.Items.AddRange(counted
            ? draws.Select(d => new ApplicationItem {
                InputId = input.Id, LotId = d.LotId, Lot = d.Mark, Name = input.Name,
                Kind = input.Kind, Amount = d.Amount, Unit = unit
            })
                : [new ApplicationItem { InputId = input.Id, Name = input.Name, Kind = input.Kind, Amount = amount, Unit = unit }]);
        db.Applications.Add(job);
        await db.SaveChangesAsync();
        foreach (var entry in entries)
        {
            entry.ApplicationId = job.Id;
        }

        await db.SaveChangesAsync();
        return Writes.Done(new NoteKept(counted && draw.Short > 0
            ? $"{u.Sentence} The shelf’s book was short of {StockKeeper.Shown(draw.Short, unit, await clock.Units())}: count it."
            : u.Sentence, $"/book?bed={bed.Id}"));
    }
}
