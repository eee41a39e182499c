using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Core.Works;
using MudPie.Records;
using MudPie.Records.Works;
using MudPie.Server.Web;

namespace MudPie.Server.Works;

/// <summary>Works in the yard that keep a log: worms and burns.</summary>
public static class WorkEndpoints
{
    /// <summary>What can be asked and done.</summary>
    public static void MapWorks(this IEndpointRouteBuilder api)
    {
        api.MapGet("/works/worms", Worms).ForVisitor("Worm bins in a line each.");
        api.MapGet("/works/worms/{id:int}", Bin).ForVisitor("A worm bin as it stands: its trays, what they can take today, what to do.");
        api.MapPost("/works/worms", KeepWorms).ForHand("A worm bin is set up or changed.");
        api.MapPost("/works/worms/castings", Castings)
            .ForVisitor("Whether a share of castings in a pot feeds a crop through its weeks.");
        api.MapGet("/works/worms/{id:int}/qr.svg", (int id, HttpRequest request) => QrCodes.To(request, $"/make/worms/{id}"))
            .ForVisitor("A code that opens the bin on a telephone.");
        api.MapGet("/works/burns", Burns).ForVisitor("Burns in a line each.");
        api.MapGet("/works/burns/{id:int}", Burn).ForVisitor("A burn as it stands: what matters at this moment, its yield and carbon.");
        api.MapPost("/works/burns/work-out", WorkOutBurn).ForVisitor("The pit and what a burn should give.");
        api.MapPost("/works/burns", KeepBurn).ForHand("A burn is planned or changed.");
        api.MapPost("/works/brash", Brash).ForVisitor("A pile of woody waste as char, on the heap or as mulch, side by side.");
        api.MapPost("/works/{id:int}/steps", Do).ForHand("Something is done at a work in the yard, or seen of it.");
        api.MapPost("/works/{id:int}/steps/{entry:int}/strike", Strike)
            .ForHand("Strikes an entry out, and says why; it stays readable.");
    }

    private static async Task<Ok<WormBinsView>> Worms(WorkDesk desk, HoldingClock clock)
    {
        var lines = await desk.Lines(WorkKind.Worms);
        var us = (await clock.Units()).IsUs();
        return TypedResults.Ok(new WormBinsView([.. lines.Select(l => l.Line)], new WormsAsked {
            Name = lines.Count == 0 ? "worm bin" : $"worm bin {lines.Count + 1}", Worms = us ? "2 lb" : "1 kg",
            Trays = [.. Enumerable.Range(1, 4).Select(i => new TrayAsked { Name = $"tray {i}", Holds = us ? "8 gal" : "30 L" })],
        }));
    }

    private static async Task<Results<Ok<WormBinView>, Missing>> Bin(int id, HoldingDb db, WorkDesk desk, HoldingClock clock)
    {
        if (await db.Works.AsNoTracking().FirstOrDefaultAsync(w => w.Id == id) is not { Worms: { } asked } work)
        {
            return Problems.NotFound("worm bin");
        }

        var (log, shown) = await desk.Log(id);
        return await desk.Worms(work, log) is not { } worms ? Problems.NotFound("worm bin")
            : TypedResults.Ok(WormTelling.Of(worms.Bin, worms.Stands,
            await clock.Units(), clock.Now) with {
                Id = id,
                Version = work.Version,
                Asked = asked,
                Bed = work.BedId is { } bed ? await db.Beds.Where(b => b.Id == bed).Select(b => b.Name).FirstOrDefaultAsync() : null,
                BegunAt = work.BegunAt,
                Log = shown,
                Lots = await desk.Lots(id),
            });
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> KeepWorms(WormsKeepRequest r, HoldingDb db, WorkDesk desk,
        HoldingClock clock,
        Writes writes) => writes.Do<Kept>(async () =>
    {
        if (r.Asked is not { } asked)
        {
            return Refusal.Of("asked", "Nothing was asked.", "Load the page again.");
        }

        var checks = new Checks();
        var bin = WormReading.Of(asked, await clock.Units());
        if (bin.Refused is { } no)
        {
            checks.Add(no);
        }

        if (asked.BedId is { } bed && !await db.Beds.AnyAsync(b => b.Id == bed))
        {
            checks.Add("bedId", "That bed is not there any more.", "Choose another, or none.");
        }

        if (await Found(r.Id, r.Version, WorkKind.Worms, asked.Name, r.BegunAt, (db, clock, checks)) is not { } work)
        {
            return checks.Refusal;
        }

        if (r.Id is not null && checks.Sound)
        {
            var old = await desk.Worms(work, await db.WorkLog.ThatStand().AsNoTracking().Where(e => e.WorkId == work.Id).ToListAsync());
            if (old?.Stands.Trays.FirstOrDefault(t => t.State != TrayState.Waiting && bin.Value.Trays.All(n =>
                n.Name != t.Name)) is { } full)
            {
                checks.Add("trays", $"There is something in {full.Name}.", "Harvest it first, or keep its name: entries go by it.");
            }
        }

        (work.Worms, work.BedId) = (asked, asked.InPlace ? asked.BedId : null);
        return await Saved(work, db, checks);
    });

    private static async Task<Results<Ok<Worked<CastingsFeedView>>, Refused>> Castings(CastingsFeedAsked asked, WorkDesk desk,
        HoldingClock clock)
    {
        var castings = (await desk.Table()).First(m => m.Id == "castings");
        var fed = CastingsFeed.Of(asked, castings, await clock.Units());
        return fed.Refused is { } no ? Problems.Of(no) : TypedResults.Ok(fed.Worked.With(new CastingsFeedView(fed.Value.Outlook,
            $"{Say.Number(fed.Value.Share * 100, 2)} %", fed.Value.Verdict), "g N"));
    }

    private static async Task<Ok<BurnsView>> Burns(WorkDesk desk, HoldingClock clock)
    {
        var lines = await desk.Lines(WorkKind.Burn);
        var us = (await clock.Units()).IsUs();
        return TypedResults.Ok(new BurnsView([.. lines.Select(l => l.Line)], new BurnAsked {
            Name = $"burn {lines.Count + 1}", Depth = us ? "2 ft" : "60 cm", Top = us ? "5 ft" : "1.5 m", Wood = "hedge brash",
            Amount = us ? "350 gal" : "1.5 m3", MadeAt = "450-600",
        }));
    }

    private static async Task<Results<Ok<BurnView>, Missing>> Burn(int id, HoldingDb db, WorkDesk desk, HoldingClock clock)
    {
        if (await db.Works.AsNoTracking().FirstOrDefaultAsync(w => w.Id == id) is not { Burn: { } asked } work)
        {
            return Problems.NotFound("burn");
        }

        var (log, shown) = await desk.Log(id);
        return await desk.Burn(work, log) is not { } burn ? Problems.NotFound("burn")
            : TypedResults.Ok(BurnTelling.Of(burn.Bench, burn.Stands,
            await clock.Units(), (clock.Now, await clock.Local())) with {
                Id = id,
                Version = work.Version,
                Asked = asked,
                Log = shown,
                Lots = await desk.Lots(id),
            });
    }

    private static async Task<Results<Ok<Worked<BurnBenchView>>, Refused>> WorkOutBurn(BurnAsked asked, HoldingClock clock)
    {
        var units = await clock.Units();
        var bench = BurnBench.Of(asked, units);
        return bench.Refused is { } no ? Problems.Of(no) : TypedResults.Ok(bench.Worked.With(BurnTelling.Bench(bench.Value, units), ""));
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> KeepBurn(BurnKeepRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) => writes.Do<Kept>(async () =>
    {
        if (r.Asked is not { } asked)
        {
            return Refusal.Of("asked", "Nothing was asked.", "Load the page again.");
        }

        var checks = new Checks();
        if (BurnBench.Of(asked, await clock.Units()).Refused is { } no)
        {
            checks.Add(no);
        }

        if (await Found(r.Id, r.Version, WorkKind.Burn, asked.Name, null, (db, clock, checks)) is not { } work)
        {
            return checks.Refusal;
        }

        work.Burn = asked;
        return await Saved(work, db, checks);
    });

    private static async Task<Results<Ok<Worked<BrashAnswer>>, Refused>> Brash(BrashAsked asked, WorkDesk desk, HoldingClock clock)
    {
        var ways = BrashWays.Of(asked, await desk.Table(), await clock.Units());
        return ways.Refused is { } no ? Problems.Of(no) : TypedResults.Ok(ways.Worked);
    }

    /// <summary>The work that is changed, or a new one; null where it is not there any more. Its name must be its own.</summary>
    internal static async Task<Work?> Found(int? id, Guid? version, WorkKind kind, string? name, DateTimeOffset? begun,
        (HoldingDb Db, HoldingClock Clock, Checks Checks) with)
    {
        var (db, clock, checks) = with;
        var work = id is { } known ? await db.Works.FirstOrDefaultAsync(w => w.Id == known && w.Kind == kind) : null;
        if (id is not null && work is null)
        {
            checks.Add("id", "It is not there any more.", "Load the page again.");
            return null;
        }

        var own = (name ?? "").Trim();
        var at = checks.Past("begunAt", begun, clock.Now);
        if (work is null)
        {
            db.Works.Add(work = new Work { Kind = kind, Name = own, BegunAt = at });
        }

        db.Seen(work, version, checks);
        if (await db.Works.AnyAsync(w => w.Name == own && w.Id != work.Id))
        {
            checks.Add("name", $"There is a “{own}” already.", "Give it a name of its own: notes go by it.");
        }

        work.Name = own;
        return work;
    }

    internal static async Task<Ruling<Kept>> Saved(Work work, HoldingDb db, Checks checks)
    {
        if (!checks.Sound)
        {
            return checks.Refusal;
        }

        await db.SaveChangesAsync();
        return Writes.Done(new Kept(work.Id));
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Do(int id, WorkStepRequest r, HoldingDb db, WorkDesk desk,
        HoldingClock clock,
        Writes writes) => writes.Do<Kept>(() => WorkSteps.Write(id, r, db, desk, clock));

    private static Task<Results<Written<Kept>, Refused, Clash>> Strike(int id, int entry, WorkStrikeRequest r, HoldingDb db,
        HoldingClock clock, Writes writes) => writes.Do<Kept>(() => WorkSteps.Strike(id, entry, r, db, clock));
}
