using Microsoft.EntityFrameworkCore;
using MudPie.Records;
using MudPie.Server.Web;

namespace MudPie.Server.Today;

/// <summary>What a phone reads while it has a signal, to have it where there is none.</summary>
/// <param name="Paths">Addresses, those that are wanted first in front.</param>
public sealed record FieldView(IReadOnlyList<string> Paths);

/// <summary>What is needed standing in a field: the rooms in which things are done there, and everything that is going on.</summary>
public static class FieldReads
{
    private const int Most = 20;

    private static readonly string[] Rooms = ["/api/holding", "/api/me", "/api/today", "/api/day-line", "/api/watch", "/api/brew/batches",
        "/api/look/walk", "/api/ground", "/api/ground/plan", "/api/put-out", "/api/put-out/windows?purpose=leaf",
        "/api/put-out/windows?purpose=root", "/api/put-out/sprayers", "/api/put-out/tank/start", "/api/shelf", "/api/judge/brix",
        "/api/judge/meters", "/api/judge/trials", "/api/judge/patches", "/api/brew/sources", "/api/brew/cleaning",
        "/api/brew/ground-checks", "/api/brew/rounds", "/api/make/yard", "/api/heaps", "/api/works/worms", "/api/works/burns", "/api/mix",
        "/api/look/plantings", "/api/look/goals"];

    /// <summary>What can be asked.</summary>
    public static void MapFieldReads(this IEndpointRouteBuilder api) =>
        api.MapGet("/field", Of).ForVisitor("What a phone keeps, so that it can be read where there is no signal.");

    private static async Task<Ok<FieldView>> Of(HoldingDb db)
    {
        var batches = await db.Batches.Where(b => b.State == BatchState.Planned || b.State == BatchState.Brewing
            || b.State == BatchState.Off).OrderBy(b => b.UseAt).Select(b => b.Id).Take(Most).ToListAsync();
        var trials = await db.Trials.Where(t => t.State != TrialState.Ended).OrderByDescending(t => t.Id).Take(Most)
            .Select(t => new { t.Id, Shut = t.Blind && t.State == TrialState.Growing && t.CodesOpenedAt == null }).ToListAsync();
        var pegs = await db.Pegs.Where(p => p.EndedAt == null).OrderBy(p => p.Id).Select(p => p.Id).Take(5 * Most).ToListAsync();
        var heaps = await db.Heaps.OrderByDescending(h => h.BuiltAt).Select(h => h.Id).Take(Most / 2).ToListAsync();
        var mixes = await db.Mixes.OrderByDescending(m => m.At).Select(m => m.Id).Take(Most / 4).ToListAsync();
        var works = await db.Works.Where(w => w.Kind == WorkKind.Worms || w.Kind == WorkKind.Burn).OrderByDescending(w => w.Id)
            .Select(w => new { w.Id, w.Kind }).Take(Most).ToListAsync();
        return TypedResults.Ok(new FieldView([.. Rooms,
            .. batches.SelectMany(id => new[] { $"/api/brew/batches/{id}", $"/api/brew/batches/{id}/probe",
                $"/api/put-out/tank/start?batch={id}" }),
            .. trials.SelectMany(t => new[] { "", "/sheet", "/amounts" }.Concat(t.Shut ? [] : ["/answer"])
                .Select(part => $"/api/judge/trials/{t.Id}{part}").Append($"/api/mix/of-trial/{t.Id}")),
            .. pegs.Select(id => $"/api/look/pegs/{id}"), .. heaps.Select(id => $"/api/heaps/{id}"),
            .. mixes.Select(id => $"/api/mix/{id}"),
            .. works.Select(w => $"/api/works/{(w.Kind == WorkKind.Worms ? "worms" : "burns")}/{w.Id}"),
            .. (await LastPhotos(db, pegs)).Select(id => $"/api/look/photos/{id}/small")]));
    }

    /// <summary>The last picture of each peg, by which the next one is framed.</summary>
    private static async Task<List<int>> LastPhotos(HoldingDb db, List<int> pegs)
    {
        var photos = await db.PegPhotos.Where(p => pegs.Contains(p.PegId)).OrderByDescending(p => p.At)
            .Select(p => new { p.PegId, p.PhotoId }).ToListAsync();
        return [.. photos.DistinctBy(p => p.PegId).Select(p => p.PhotoId)];
    }
}
