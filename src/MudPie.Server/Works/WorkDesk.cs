using Microsoft.EntityFrameworkCore;
using MudPie.Core.Almanac;
using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Core.Sheets;
using MudPie.Core.Workings;
using MudPie.Core.Works;
using MudPie.Records;
using MudPie.Records.Works;
using MudPie.Server.Lots;
using MudPie.Server.Mixing;
using MudPie.Server.Web;

namespace MudPie.Server.Works;

/// <summary>A work in a line, with what it wants now and what a calendar should hold of it.</summary>
public sealed record WorkLook(WorkLine Line, IReadOnlyList<WorkDue> Due, IReadOnlyList<WorkDate> Dates);

/// <summary>What works in the yard read of the record: worms, burns.</summary>
public sealed class WorkDesk(HoldingDb db, HoldingClock clock, HeapDesk heaps)
{
    private IReadOnlyList<Material>? _table;
    private PrepSky? _sky;

    /// <summary>The holding's table of materials.</summary>
    public async Task<IReadOnlyList<Material>> Table() => _table ??= await heaps.Table();

    /// <summary>How a bin stands; null where it can't be read any more.</summary>
    public async Task<(WormBin Bin, WormsStand Stands)?> Worms(Work work, IEnumerable<WorkEntry> log) =>
        work.Worms is { } asked && WormReading.Of(asked, await clock.Units()) is { Refused: null } bin
            ? (bin.Value, WormCourse.Of(bin.Value, Points(log), await Table(), clock.Now, await clock.Local())) : null;

    /// <summary>How a burn stands; null where it can't be read any more.</summary>
    public async Task<(Worked<BurnBenchAnswer> Bench, BurnStands Stands)?> Burn(Work work, IEnumerable<WorkEntry> log) =>
        work.Burn is { } asked && BurnBench.Of(asked, await clock.Units()) is { Refused: null } bench
            ? (bench.Worked, BurnCourse.Of(bench.Value.Plan, Points(log), clock.Now, await clock.Local())) : null;

    /// <summary>How a by-product stands; null where it can't be read any more.</summary>
    public async Task<(ByproductPlan Plan, ByproductStands Stands)?> Byproduct(Work work, IEnumerable<WorkEntry> log)
    {
        if (work.Byproduct is not { } asked || Byproducts.Read(asked, await clock.Units()) is not { Refused: null } plan)
        {
            return null;
        }

        var lots = await db.StockEntries.AsNoTracking().Where(e => e.Lot.WorkId == work.Id && e.WorkEntryId != null && e.Amount > 0)
            .Select(e => new { Entry = e.WorkEntryId!.Value, e.LotId }).ToListAsync();
        var ids = lots.Select(l => l.LotId).ToList();
        var sheets = await db.Works.AsNoTracking().Where(w => w.LotId != null && ids.Contains(w.LotId.Value)).ToListAsync();
        var tested = sheets.Where(s => s.Sheet?.Rows.Count > 0).Select(s => s.LotId!.Value).ToHashSet();
        return (plan.Value, Byproducts.Stands(plan.Value, Points(log), lots.Where(l => tested.Contains(l.LotId)).Select(l => l.Entry)
            .ToHashSet(), clock.Now));
    }

    /// <summary>The sky of the holding, and the school of lifting in force.</summary>
    public async Task<PrepSky> Sky() => _sky ??= new PrepSky((await clock.Find())?.SunLatitude is { } latitude ? latitude < 0 : null,
        (await db.ForkChoices.AsNoTracking().FirstOrDefaultAsync(f => f.ForkId == PreparationYear.LiftFork))?.SchoolId,
        await clock.Local());

    /// <summary>How a preparation stands; null where it can't be read any more.</summary>
    public async Task<(PrepPlan Plan, PrepStands Stands)?> Prep(Work work, IEnumerable<WorkEntry> log, DateTimeOffset? at = null)
    {
        if (work.Preparation is not { } asked || PrepReading.Of(asked, await clock.Units()) is not { Refused: null } plan)
        {
            return null;
        }

        var (now, points) = (at ?? clock.Now, Points(log));
        var stirred = points.Where(p => p.Step == WorkStep.Stirred && now - p.At < TimeSpan.FromDays(1)).Select(p => p.Id).ToList();
        HashSet<int> used = stirred.Count == 0 ? [] : [.. await db.Applications.ThatStand()
            .Where(a => a.WorkEntryId != null && stirred.Contains(a.WorkEntryId.Value)).Select(a => a.WorkEntryId!.Value).ToListAsync()];
        return (plan.Value, PrepCourse.Of(plan.Value, points, await Sky(), now, used));
    }

    /// <summary>Works in a line each, with what they want: those that go on, newest first.</summary>
    /// <param name="kind">Of one kind; null for all.</param>
    /// <param name="going">Only those that go on.</param>
    public async Task<List<WorkLook>> Lines(WorkKind? kind = null, bool going = false)
    {
        var day = clock.Now.AddDays(-1);
        var stirred = db.WorkLog.ThatStand().Where(e => e.Step == WorkStep.Stirred && e.At > day).Select(e => e.WorkId);
        var over = db.WorkLog.ThatStand().Where(e => e.Step == WorkStep.Measured
            || ((e.Step == WorkStep.Lifted || e.Step == WorkStep.Pressed) && !stirred.Contains(e.WorkId))
            || (e.Work.Kind == WorkKind.Sheet && (e.Step == WorkStep.Ready || (e.Step == WorkStep.Corrected && e.Work.BedId != null))))
            .Select(e => e.WorkId);
        var works = await db.Works.AsNoTracking().Where(w => (kind == null || w.Kind == kind) && (!going || !over.Contains(w.Id)))
            .OrderByDescending(w => w.BegunAt).Take(60).ToListAsync();
        works.AddRange(going && kind is null or WorkKind.Sheet ? await ComingBack(over) : []);
        var ids = works.Select(w => w.Id).ToList();
        var log = ids.Count == 0 ? null : (await db.WorkLog.ThatStand().AsNoTracking().Where(e => ids.Contains(e.WorkId)).ToListAsync())
            .ToLookup(e => e.WorkId);
        var lines = new List<WorkLook>();
        var (units, now) = (await clock.Units(), (await clock.Local())(clock.Now));
        string In(string says) => InUnits.Say(says, units);
        foreach (var work in works)
        {
            if (await Worms(work, log![work.Id]) is { } worms)
            {
                var (word, figure) = WormSays.Short(worms.Bin, worms.Stands, clock.Now);
                lines.Add(new WorkLook(new WorkLine(work.Id, work.Kind, work.Name, worms.Stands.Verdict.Tone, word, In(figure),
                    In(worms.Stands.Verdict.Sentence), WorkPages.Of(work.Kind, work.Id)), Told(worms.Stands.Due, units),
                    [.. WormSays.Dates(worms.Bin, worms.Stands, clock.Now)]));
            }
            else if (await Burn(work, log![work.Id]) is { } burn)
            {
                var (word, figure) = BurnCourse.Short(burn.Stands, clock.Now, await clock.Local());
                lines.Add(new WorkLook(new WorkLine(work.Id, work.Kind, work.Name, burn.Stands.Verdict.Tone, word, In(figure),
                    In(burn.Stands.Verdict.Sentence), WorkPages.Of(work.Kind, work.Id)),
                    Told(burn.Stands.Due is { } due ? [due] : [], units),
                    burn.Stands.FeelAt is { } feel ? [new WorkDate("feel", feel, $"Feel {work.Name} for heat",
                        "It can light itself again.")] : []));
            }
            else if (await Byproduct(work, log![work.Id]) is { } by)
            {
                lines.Add(new WorkLook(new WorkLine(work.Id, work.Kind, work.Name, by.Stands.Verdict.Tone, by.Plan.What,
                    by.Stands.Open.Count > 0 ? $"{Say.Count(by.Stands.Open.Count, "run")} to pool"
                    : Say.Count(by.Stands.Pools.Count, "pool"), by.Stands.Verdict.Sentence, WorkPages.Of(work.Kind, work.Id)),
                    by.Stands.Due is { } wants ? [wants] : [], []));
            }
            else if (await Prep(work, log![work.Id]) is { } prep)
            {
                var (word, figure) = PrepCourse.Short(prep.Plan, prep.Stands, await Sky());
                lines.Add(new WorkLook(new WorkLine(work.Id, work.Kind, work.Name, prep.Stands.Verdict.Tone, word, figure,
                    prep.Stands.Verdict.Sentence, WorkPages.Of(work.Kind, work.Id)), prep.Stands.Due is { } wants ? [wants] : [],
                    [.. PrepCourse.Dates(prep.Plan, prep.Stands, await Sky())]));
            }
            else if (work.Sheet is { } sheet)
            {
                lines.Add(Sheet(work, SheetCourse.Of(sheet, work.BegunAt, Points(log![work.Id]), now,
                    SheetCourse.ComesBack(sheet) ? await PlantingBook.Begun(db, work.BedId, await clock.Local()) : []), now, units));
            }
        }

        return lines;
    }

    /// <summary>Sheets that are over, and come back with what was chosen of them.</summary>
    private async Task<List<Work>> ComingBack(IQueryable<int> over) => [.. (await db.Works.AsNoTracking()
        .Where(w => w.Kind == WorkKind.Sheet && over.Contains(w.Id)).OrderByDescending(w => w.BegunAt).Take(200).ToListAsync())
        .Where(w => w.Sheet is { } s && SheetCourse.ComesBack(s)).Take(20)];

    private static WorkLook Sheet(Work work, LabSheetStands stands, DateTimeOffset now, UnitSystem units)
    {
        var (word, figure) = SheetCourse.Short(stands, now);
        return new WorkLook(new WorkLine(work.Id, work.Kind, work.Name, Tone.Go, word, figure, stands.Due?.Title ?? "",
            WorkPages.Of(work.Kind, work.Id)), Told(stands.Due is { } due ? [due] : [], units), SheetCourse.Dates(work.Sheet!, now));
    }

    /// <summary>All entries of a work: those that stand, and all of them as they are shown, newest first.</summary>
    public async Task<(List<WorkEntry> Stand, IReadOnlyList<WorkEntryView> Shown)> Log(int id)
    {
        var units = await clock.Units();
        var all = await db.WorkLog.AsNoTracking().Where(e => e.WorkId == id).OrderBy(e => e.At).ThenBy(e => e.Id).ToListAsync();
        var struck = all.Where(e => e.CorrectsId is not null).ToDictionary(e => e.CorrectsId!.Value, e => e.Note);
        List<WorkEntry> shown = [.. all.Where(e => e.CorrectsId is null).Reverse().Take(120)];
        var wrote = await db.WroteThese(db.WorkLog, [.. shown.Select(e => e.Id)]);
        return ([.. all.Where(e => e.CorrectsId is null && !struck.ContainsKey(e.Id))],
            [.. shown.Select(e => new WorkEntryView(e.Id, e.At,
                InUnits.Say(WorkSays.Done(e.Point()), units), e.Note, struck.ContainsKey(e.Id), struck.GetValueOrDefault(e.Id),
                wrote.Told(e.Id, e.At)))]);
    }

    /// <summary>What a work laid on the shelf, and what is left of it.</summary>
    public async Task<IReadOnlyList<MixLot>> Lots(int id)
    {
        var units = await clock.Units();
        return [.. (await db.Lots.AsNoTracking().Where(l => l.WorkId == id).OrderByDescending(l => l.Id).Take(12)
            .Select(l => new { l.Id, l.InputId, l.Input, l.Mark, Left = l.Entries.Sum(e => e.Amount) }).ToListAsync())
            .Select(l => new MixLot(l.Id, l.InputId, $"{l.Input.Name} ({l.Mark})", StockKeeper.Shown(Math.Max(0, l.Left),
                StockKeeper.UnitOf(l.Input), units)))];
    }

    /// <summary>Entries as the core reads them.</summary>
    public static List<WorkPoint> Points(IEnumerable<WorkEntry> log) =>
        [.. log.OrderBy(e => e.At).ThenBy(e => e.Id).Select(e => e.Point())];

    private static IReadOnlyList<WorkDue> Told(IReadOnlyList<WorkDue> due, UnitSystem units) =>
        [.. due.Select(d => d with { Title = InUnits.Say(d.Title, units), Detail = InUnits.Say(d.Detail, units) })];
}
