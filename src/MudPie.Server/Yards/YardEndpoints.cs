using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.Mixing;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Server.Brewing;
using MudPie.Server.Mixing;
using MudPie.Server.Today;
using MudPie.Server.Web;
using MudPie.Server.Works;

namespace MudPie.Server.Yards;

/// <summary>A vessel to draw, with what is in it.</summary>
/// <param name="Id">Of the vessel.</param>
/// <param name="Name">Of the vessel.</param>
/// <param name="Shape">bucket, barrel or tank.</param>
/// <param name="TotalL">To the brim, L.</param>
/// <param name="Fill">Filled share, 0 to 1.</param>
/// <param name="Planned">True where what is drawn in it is yet to come.</param>
/// <param name="Air">Air against light air (0.25 L/min a litre): how many bubbles; 0 for none.</param>
/// <param name="Says">Its state in a word and a figure.</param>
/// <param name="Link">Where its door leads.</param>
public sealed record YardVessel(int Id, string Name, string Shape, double TotalL, double Fill, bool Planned, double Air, ThingSays Says,
    string Link);

/// <summary>Something else that stands there: a water, the microscope.</summary>
public sealed record YardThing(string Id, string Kind, string Name, ThingSays Says, string Link);

/// <summary>The yard as it stands, and what wants hands in it, most pressing first.</summary>
/// <param name="Vessels">The brewhouse.</param>
/// <param name="Things">What stands beside them.</param>
/// <param name="Behind">What is made on the ground behind: mixes, and char that is being charged.</param>
/// <param name="Items">What wants hands.</param>
public sealed record YardView(IReadOnlyList<YardVessel> Vessels, IReadOnlyList<YardThing> Things, IReadOnlyList<YardThing> Behind,
    IReadOnlyList<TodayItem> Items);

/// <summary>What is being made, drawn as it stands now.</summary>
public static class YardEndpoints
{
    /// <summary>What can be asked.</summary>
    public static void MapYard(this IEndpointRouteBuilder api) =>
        api.MapGet("/make/yard", Read).ForVisitor("The yard: what is being made, as it stands now.").Remember();

    private static async Task<Ok<YardView>> Read(HoldingDb db, HoldingClock clock, LiveBrew live, MixDesk mixes, HeapDesk heaps,
        WorkDesk works)
    {
        var (now, local, units) = (clock.Now, await clock.Local(), await clock.Units());
        var going = await TodayEndpoints.Going(db, live);
        var washed = (await Cleaning.All(db)).ToDictionary(v => v.VesselId);
        var kits = await db.Vessels.AsNoTracking().OrderBy(v => v.TotalL).ThenBy(v => v.Id)
            .Select(v => new { v.Id, v.Name, v.Shape, v.TotalL }).ToListAsync();
        var vessels = kits.Select(k =>
        {
            var (batch, watch) = going.Where(g => g.Batch.VesselId == k.Id).OrderBy(g => g.Batch.State == BatchState.Planned)
                .ThenBy(g => g.Batch.UseAt).FirstOrDefault();
            var wash = washed[k.Id];
            var says = Yard.Vessel(Stands(batch, watch, wash), now, local);
            return new YardVessel(k.Id, k.Name, k.Shape, k.TotalL,
                batch is null ? 0 : Math.Clamp(batch.BrewL / k.TotalL, 0, 1), batch?.State == BatchState.Planned,
                batch is { State: BatchState.Brewing, Making: Making.Tea or Making.Bubbled } ? AirOf(batch) : 0,
                says with { Word = InUnits.Say(says.Word, units) },
                batch is null ? wash is { Clean: false, UsedAt: not null, HandedTo: null } ? "/brew/clean" : "/brew/plan?vessel=" + k.Id
                    : $"/brew/{batch.Id}");
        }).ToList();
        var items = (await TodayEndpoints.OfBrews(going, db, clock)).Concat(await TodayMixing.Of(mixes, heaps, works, clock)).OrderBy(i =>
            i.Urgency).ThenBy(i => i.At);
        return TypedResults.Ok(new YardView(vessels, await Things(db, local, units), await Behind(mixes, heaps, works, clock), [.. items]));
    }

    /// <summary>Heaps, jobs of mixing that are not filled in yet, char in what charges it.</summary>
    private static async Task<List<YardThing>> Behind(MixDesk mixes, HeapDesk heaps, WorkDesk works, HoldingClock clock)
    {
        var (now, local) = (clock.Now, await clock.Local());
        YardThing Heap(int id, HeapStands s, HeapLine l) => new($"heap-{id}", s.State is HeapState.Hot or HeapState.Cooling ? "hotHeap"
            : "heap",
            l.Name, new ThingSays(l.Tone, l.Word, HeapCourse.Short(s, now, local)), $"/make/heap/{id}");
        var all = await works.Lines(going: true);
        var preps = all.Where(w => w.Line.Kind == WorkKind.Preparation && w.Line.Word is "in the ground" or "in water" or "hung").ToList();
        var first = preps.SelectMany(p => p.Dates).OrderBy(d => d.At).FirstOrDefault();
        return
        [
            .. all.Where(w => w.Line.Kind != WorkKind.Preparation && (w.Line.Kind != WorkKind.Sheet || w.Line.Word.Contains("out for",
                StringComparison.Ordinal)))
                .OrderBy(w => w.Line.Kind).Take(4).Select(w => new YardThing($"work-{w.Line.Id}",
                w.Line.Kind switch { WorkKind.Burn => "pit", WorkKind.Sheet => "sheet",
                    WorkKind.Byproduct => "byproduct", _ => "worms" }, w.Line.Name,
                    new ThingSays(w.Line.Tone, w.Line.Word, w.Line.Figure),
                    w.Line.Link)),
            .. (await heaps.Lines(going: true)).Take(4).Select(h => Heap(h.Heap.Id, h.Stands, h.Line)),
            .. preps.Count == 0 ? Array.Empty<YardThing>() : [new YardThing("buried", "buried", "Buried", new ThingSays(
                preps.Any(p => p.Due.Any(d => d.Urgency <= 2)) ? Tone.Mind : Tone.Go, Say.Count(preps.Count, "preparation"),
                first is null ? "" : $"lift from {Say.Day(local(first.At))}"), "/keep/almanac")],
            .. (await mixes.Going()).Take(3).Select(j => new YardThing($"mix-{j.Id}", j.State == MixState.Charging ? "charge" : "mix",
                j.Name,
                new ThingSays(j.Tone, j.Word, j.Figure), $"/make/mix/{j.Id}")),
        ];
    }

    private static double AirOf(Batch batch) => Math.Round(4 * BatchViews.Air(batch).Lpm / batch.BrewL, 2);

    private static VesselStands Stands(Batch? batch, WatchAnswer? watch, CleanView wash) => new() {
        State = batch?.State,
        Making = batch?.Making ?? Making.Tea,
        Planned = batch?.PlannedStart,
        Started = batch?.StartedAt,
        Oxygen = watch?.Now is { } o ? (o.MgPerL, watch.Forecast.Median.MinBy(p => Math.Abs(p.H - watch.NowH - 1))!.MgPerL) : null,
        MinutesLeft = watch?.Gate.MinutesLeft,
        Tone = watch?.Verdict.Tone ?? Tone.Go,
        NotFit = watch?.Gate.Fitness == Fitness.NotFit,
        UsedAt = wash.UsedAt,
        HandedTo = wash.HandedTo,
        Clean = wash.Clean,
    };

    /// <summary>Waters and the microscope; what was never used is not there yet.</summary>
    private static async Task<List<YardThing>> Things(HoldingDb db, Func<DateTimeOffset, DateTimeOffset> local, UnitSystem units)
    {
        var waters = await db.Waters.AsNoTracking().Where(w => w.Kind != WaterKind.Surface).OrderBy(w => w.Id).Take(3).Select(w => new {
            w.Id, w.Name, w.Kind,
            Last = w.Strips.OrderByDescending(s => s.At).Select(s => new { s.MgPerL, s.At }).FirstOrDefault()
        }).ToListAsync();
        var things = waters.Select(w => new YardThing($"water-{w.Id}", w.Kind == WaterKind.Rain ? "butt" : "tap", w.Name,
            w.Last is null ? new ThingSays(Tone.Mind, "no strip read", "")
                : new ThingSays(Tone.Go, $"strip {Say.Number(w.Last.MgPerL)} mg/L", $"on {Say.Day(local(w.Last.At))}"),
            "/brew/water")).ToList();
        if (await db.Tallies.OrderByDescending(t => t.At).Select(t => (DateTimeOffset?)t.At).FirstOrDefaultAsync() is { } counted)
        {
            var says = new ThingSays(Tone.Go, "counted", $"on {Say.Day(local(counted))}");
            things.Add(new YardThing("microscope", "microscope", "Microscope", says, "/brew/microscope"));
        }

        return [.. things.Select(t => t with { Says = t.Says with { Word = InUnits.Say(t.Says.Word, units) } })];
    }
}
