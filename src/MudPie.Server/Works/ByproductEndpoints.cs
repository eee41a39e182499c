using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Core.Works;
using MudPie.Records;
using MudPie.Server.Mixing;
using MudPie.Server.Web;

namespace MudPie.Server.Works;

/// <summary>A by-product that is set up, or changed.</summary>
/// <param name="Id">Of one that is changed; null for a new one.</param>
/// <param name="Version">Of one that is changed, as it was read.</param>
/// <param name="Asked">The by-product.</param>
public sealed record ByproductKeepRequest(int? Id, Guid? Version, ByproductAsked? Asked);

/// <summary>All by-products, and what a new one begins with.</summary>
public sealed record ByproductsView(IReadOnlyList<WorkLine> Lines, ByproductAsked Start);

/// <summary>A run in a line.</summary>
/// <param name="Id">Its entry.</param>
/// <param name="Number">From 1.</param>
/// <param name="At">When.</param>
/// <param name="Shown">"2.4 kg of kitchen scraps, setting 2, 9 h".</param>
/// <param name="Load">Its load against the heaviest, 0 to 1.</param>
/// <param name="Pool">The pool that it is in; null where it lies by itself.</param>
public sealed record RunView(int Id, int Number, DateTimeOffset At, string Shown, double Load, int? Pool);

/// <summary>A pool in a line.</summary>
/// <param name="Number">From 1.</param>
/// <param name="At">When.</param>
/// <param name="Shown">"4 L".</param>
/// <param name="Says">"run 1: 40 %, run 2: 60 %".</param>
/// <param name="Shares">Of each run, 0 to 1, with its number.</param>
/// <param name="LotId">The lot on the shelf; null where it was taken out again.</param>
/// <param name="SheetId">Its newest sheet; null where none was begun.</param>
/// <param name="SheetSays">"its result is there", "out for its test"; null likewise.</param>
public sealed record PoolView(int Number, DateTimeOffset At, string Shown, string Says, IReadOnlyList<PoolShare> Shares,
    int? LotId, int? SheetId, string? SheetSays);

/// <summary>The share of a run in a pool.</summary>
public sealed record PoolShare(int Run, double Share);

/// <summary>A by-product as it stands.</summary>
public sealed record ByproductView
{
    /// <summary>Its number.</summary>
    public required int Id { get; init; }

    /// <summary>Its version as it was read.</summary>
    public required Guid Version { get; init; }

    /// <summary>As it was set up.</summary>
    public required ByproductAsked Asked { get; init; }

    /// <summary>What to do.</summary>
    public required Verdict Verdict { get; init; }

    /// <summary>Newest first.</summary>
    public required IReadOnlyList<RunView> Runs { get; init; }

    /// <summary>Newest first.</summary>
    public required IReadOnlyList<PoolView> Pools { get; init; }

    /// <summary>What is said before the first of it is used.</summary>
    public required IReadOnlyList<Caution> Cautions { get; init; }

    /// <summary>What was done, newest first.</summary>
    public required IReadOnlyList<WorkEntryView> Log { get; init; }

    /// <summary>What lies on the shelf of it.</summary>
    public required IReadOnlyList<MixLot> Lots { get; init; }
}

/// <summary>By-products of the kitchen, the brewhouse and the mill, run by run.</summary>
public static class ByproductEndpoints
{
    /// <summary>What can be asked and done; steps go by the door of all works.</summary>
    public static void MapByproducts(this IEndpointRouteBuilder api)
    {
        api.MapGet("/works/byproducts", All).ForVisitor("By-products in a line each.");
        api.MapGet("/works/byproducts/{id:int}", One).ForVisitor("A by-product as it stands: runs, pools, their sheets.");
        api.MapPost("/works/byproducts", Keep).ForHand("A by-product is set up or changed.");
    }

    private static async Task<Ok<ByproductsView>> All(WorkDesk desk)
    {
        var lines = await desk.Lines(WorkKind.Byproduct);
        return TypedResults.Ok(new ByproductsView([.. lines.Select(l => l.Line)], new ByproductAsked {
            Name = lines.Count == 0 ? "kitchen grinder" : $"by-product {lines.Count + 1}", What = "dried kitchen waste",
            Feedstock = "kitchen scraps",
        }));
    }

    private static async Task<Results<Ok<ByproductView>, Missing>> One(int id, HoldingDb db, WorkDesk desk, HoldingClock clock)
    {
        if (await db.Works.AsNoTracking().FirstOrDefaultAsync(w => w.Id == id) is not { Byproduct: { } asked } work)
        {
            return Problems.NotFound("by-product");
        }

        var (log, shown) = await desk.Log(id);
        if (await desk.Byproduct(work, log) is not { } by)
        {
            return Problems.NotFound("by-product");
        }

        var (units, s) = (await clock.Units(), by.Stands);
        var lots = (await db.StockEntries.AsNoTracking().Where(e => e.Lot.WorkId == id && e.WorkEntryId != null && e.Amount > 0)
            .Select(e => new { Entry = e.WorkEntryId!.Value, e.LotId }).ToListAsync()).ToLookup(e => e.Entry, e => e.LotId);
        var lotIds = lots.SelectMany(l => l).ToList();
        var sheets = (await db.Works.AsNoTracking().Where(w => w.LotId != null && lotIds.Contains(w.LotId.Value)).OrderBy(w => w.Id)
            .ToListAsync()).ToLookup(w => w.LotId!.Value);
        var points = WorkDesk.Points(log).ToDictionary(p => p.Id);
        var most = Math.Max(s.Runs.Select(r => r.LoadKg).DefaultIfEmpty(0).Max(), 1e-9);
        return TypedResults.Ok(new ByproductView {
            Id = id,
            Version = work.Version,
            Asked = asked,
            Verdict = s.Verdict,
            Runs = [.. s.Runs.Reverse().Take(60).Select(r => new RunView(r.Id, r.Number, r.At,
                InUnits.Say(WorkSays.Done(points[r.Id]), units),
                Math.Round(r.LoadKg / most, 3), r.Pool))],
            Pools = [.. s.Pools.Reverse().Select(p =>
            {
                var lot = lots[p.Id].Select(l => (int?)l).FirstOrDefault();
                var sheet = lot is { } of ? sheets[of].LastOrDefault() : null;
                return new PoolView(p.Number, p.At, Units.Show(p.Litres, Dimension.Volume, units),
                    string.Join(", ", p.Shares.Select(x => $"run {x.Run}: {Say.Number(x.Share * 100, 2)} %")),
                    [.. p.Shares.Select(x => new PoolShare(x.Run, x.Share))], lot, sheet?.Id, sheet is null ? null
                        : sheet.Sheet?.Rows.Count > 0 ? "its sheet is there" : "its sheet is begun");
            })],
            Cautions = [Byproducts.StartSmall],
            Log = shown,
            Lots = await desk.Lots(id),
        });
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Keep(ByproductKeepRequest r, HoldingDb db, HoldingClock clock,
        Writes writes) => writes.Do<Kept>(async () =>
    {
        if (r.Asked is not { } asked)
        {
            return Refusal.Of("asked", "Nothing was asked.", "Load the page again.");
        }

        var checks = new Checks();
        if (Byproducts.Read(asked, await clock.Units()).Refused is { } no)
        {
            checks.Add(no);
        }

        if (await WorkEndpoints.Found(r.Id, r.Version, WorkKind.Byproduct, asked.Name, null, (db, clock, checks)) is not { } work)
        {
            return checks.Refusal;
        }

        work.Byproduct = asked;
        return await WorkEndpoints.Saved(work, db, checks);
    });
}
