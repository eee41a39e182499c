using Microsoft.EntityFrameworkCore;
using MudPie.Core.Measures;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Server.Lots;
using MudPie.Server.Web;

namespace MudPie.Server.Book;

/// <summary>A knot of the thread.</summary>
/// <param name="Id">"lot-3", "batch-14", "job-9", "bed-5" or "harvest-2".</param>
/// <param name="Kind">Which of these.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Says">A few words more.</param>
/// <param name="Column">0 lots, 1 batches, 2 jobs, 3 beds, 4 harvests, and what was seen there.</param>
/// <param name="Link">Where more of it is.</param>
/// <param name="Asked">The one that was asked about.</param>
public sealed record ThreadKnot(string Id, string Kind, string Name, string Says, int Column, string? Link, bool Asked);

/// <summary>A length of thread between two knots.</summary>
public sealed record ThreadLength(string From, string To, string Says);

/// <summary>Everything that one thing touched, and that touched it.</summary>
public sealed record ThreadView(string Title, string Sentence, IReadOnlyList<ThreadKnot> Knots, IReadOnlyList<ThreadLength> Lengths);

/// <summary>What can be asked about.</summary>
public sealed record ThreadStart(string Id, string Name, string Group);

/// <summary>From any lot to every bed and harvest it touched, and back.</summary>
public static class ThreadEndpoints
{
    private sealed record Job(int Id, DateTimeOffset At, string On, int? BatchId, List<int> Lots, List<(int Bed, double L)> Beds);

    /// <summary>What can be asked.</summary>
    public static void MapThreads(this IEndpointRouteBuilder api)
    {
        api.MapGet("/book/thread", Read).ForVisitor("All that hangs together with one brew, job or bed.");
        api.MapGet("/book/thread/starts", Starts).ForVisitor("What a thread can start from.");
    }

    private static async Task<Ok<List<ThreadStart>>> Starts(HoldingDb db)
    {
        var lots = await db.Lots.AsNoTracking().OrderBy(l => l.Input.Name).ThenBy(l => l.Mark).Take(500)
            .Select(l => new ThreadStart("lot-" + l.Id, l.Input.Name + ", " + l.Mark, "lots")).ToListAsync();
        var beds = await db.Beds.AsNoTracking().OrderBy(b => b.Id).Select(b => new ThreadStart("bed-" + b.Id, b.Name, "beds"))
            .ToListAsync();
        var batches = await db.Batches.AsNoTracking().Where(b => b.StartedAt != null).OrderByDescending(b => b.StartedAt).Take(100)
            .Select(b => new { b.Id, b.Name, b.StartedAt }).ToListAsync();
        var mixes = await db.Mixes.AsNoTracking().OrderByDescending(m => m.Id).Take(100)
            .Select(m => new ThreadStart("mix-" + m.Id, m.Name, "mixes")).ToListAsync();
        var works = await db.Works.AsNoTracking().OrderByDescending(w => w.Id).Take(100)
            .Select(w => new ThreadStart("work-" + w.Id, w.Name, "worms, burns, sheets")).ToListAsync();
        var heaps = await db.Heaps.AsNoTracking().OrderByDescending(h => h.Id).Take(100)
            .Select(h => new ThreadStart("heap-" + h.Id, h.Name, "heaps")).ToListAsync();
        return TypedResults.Ok(lots.Concat(beds).Concat(mixes).Concat(works).Concat(heaps)
            .Concat(batches.Select(b => new ThreadStart($"batch-{b.Id}", $"{b.Name}, {Say.Date(b.StartedAt!.Value)}", "batches")))
            .ToList());
    }

    private static async Task<Results<Ok<ThreadView>, Missing>> Read(HoldingDb db, HoldingClock clock, string of)
    {
        var (kind, id) = of.Split('-') is [var k, var n] && int.TryParse(n, out var number) ? (k, number) : ("", 0);
        var units = await clock.Units();
        var local = await clock.Local();
        var entries = await db.StockEntries.AsNoTracking().Where(e => e.BatchId != null && e.Amount < 0)
            .Select(e => new Drew(e.LotId, e.BatchId!.Value)).ToListAsync();
        var jobs = await Jobs(db);
        var (batches, wanted) = Touched(kind, id, entries, jobs);
        if (await Title(db, kind, id) is not { } title)
        {
            return Problems.NotFound("lot, batch or bed");
        }

        var mixes = await ThreadMixes.Of(db, kind, id);
        wanted = [.. wanted.OrderByDescending(j => j.At).Take(24)];
        batches = [.. batches.Concat(wanted.Select(j => j.BatchId ?? 0).Where(b => b > 0)).Distinct().OrderDescending().Take(24)];
        HashSet<int> lots = kind == "lot" ? [id, .. mixes.Lots] : entries.Where(e => batches.Contains(e.Batch)).Select(e => e.LotId)
            .Concat(wanted.SelectMany(j => j.Lots)).Concat(mixes.Lots).ToHashSet();
        var works = await ThreadWorks.Of(db, kind, id, lots);
        lots.UnionWith(works.Lots);
        var beds = kind == "bed" ? [id] : wanted.SelectMany(j => j.Beds.Select(b => b.Bed)).Concat(mixes.Beds.Select(b => b.Bed))
            .Concat(works.Beds.Select(b => b.Bed)).ToHashSet();
        var first = wanted.Select(j => j.At).Concat(mixes.Beds.Select(b => b.At)).Concat(works.Beds.Select(b => b.At))
            .DefaultIfEmpty(DateTimeOffset.MaxValue).Min();
        var harvests = await db.Harvests.ThatStand().AsNoTracking().Where(h => beds.Contains(h.BedId) && h.At >= first)
            .OrderByDescending(h => h.At).Take(24).ToListAsync();
        var knots = new List<ThreadKnot>();
        knots.AddRange(await LotKnots(db, lots, local, of));
        knots.AddRange((await db.Batches.AsNoTracking().Where(b => batches.Contains(b.Id))
            .Select(b => new { b.Id, b.Name, b.Making, At = b.StartedAt ?? b.PlannedStart }).ToListAsync()).OrderByDescending(b => b.At)
            .Select(b => new ThreadKnot($"batch-{b.Id}", "batch", b.Name, $"begun {Say.Date(local(b.At))}", 1, $"/brew/{b.Id}",
                of == $"batch-{b.Id}")));
        knots.AddRange(await mixes.Knots(db, local, of));
        knots.AddRange(await works.Knots(db, local, of));
        knots.AddRange(wanted.Select(j => new ThreadKnot($"job-{j.Id}", "job", $"{Say.Date(local(j.At))}", j.On, 2, $"/book?entry={j.Id}",
            false)));
        knots.AddRange((await db.Beds.AsNoTracking().Where(b => beds.Contains(b.Id)).ToListAsync()).OrderBy(b => b.Id)
            .Select(b => new ThreadKnot($"bed-{b.Id}", "bed", b.Name, b.Crop, 3, $"/book?bed={b.Id}", of == $"bed-{b.Id}")));
        knots.AddRange(harvests.Select(h => new ThreadKnot($"harvest-{h.Id}", "harvest", Units.Show(h.Kg * 1000, Dimension.Mass, units),
            $"{h.Crop}, {Say.Date(local(h.At))}", 4, null, false)));
        var seen = kind == "bed" ? await ThreadSeen.Knots(db, local, id, knots.Select(x => x.Id).ToHashSet()) : [];
        knots.AddRange(seen);
        var there = knots.Select(x => x.Id).ToHashSet();
        var lengths = entries.GroupBy(e => (e.LotId, e.Batch))
            .Select(g => new ThreadLength($"lot-{g.Key.LotId}", $"batch-{g.Key.Batch}", ""))
            .Concat(wanted.SelectMany(j => j.Lots.Distinct().Select(l => new ThreadLength($"lot-{l}", $"job-{j.Id}", ""))))
            .Concat(wanted.Where(j => j.BatchId is not null).Select(j => new ThreadLength($"batch-{j.BatchId}", $"job-{j.Id}", "")))
            .Concat(wanted.SelectMany(j =>
                j.Beds.Select(b => new ThreadLength($"job-{j.Id}", $"bed-{b.Bed}", Units.Show(b.L, Dimension.Volume, units)))))
            .Concat(mixes.Lengths()).Concat(works.Lengths()).Concat(seen.Select(k => new ThreadLength(of, k.Id, "")))
            .Concat(harvests.Where(h => wanted.Any(j => j.At <= h.At && j.Beds.Any(b => b.Bed == h.BedId))
                || mixes.Beds.Concat(works.Beds).Any(b => b.Bed == h.BedId && b.At <= h.At))
                .Select(h => new ThreadLength($"bed-{h.BedId}", $"harvest-{h.Id}", "")))
            .Where(l => there.Contains(l.From) && there.Contains(l.To)).ToList();
        var sentence = Sentence(kind, title, (wanted.Count, lots.Count, batches.Count, beds.Count, harvests.Count, mixes.Jobs.Count),
            kind == "lot" ? await Waste(db, id, units) : "");
        return TypedResults.Ok(new ThreadView(title, sentence, knots, lengths));
    }

    private sealed record Drew(int LotId, int Batch);

    /// <summary>Brews and jobs that a lot, a brew or a bed touched.</summary>
    private static (HashSet<int> Batches, List<Job> Jobs) Touched(string kind, int id, List<Drew> entries, List<Job> jobs) => kind switch {
        "lot" => ([.. entries.Where(e => e.LotId == id).Select(e => e.Batch)], [.. jobs.Where(j => j.Lots.Contains(id)
            || (j.BatchId is { } b && entries.Any(e => e.LotId == id && e.Batch == b)))]),
        "batch" => ([id], [.. jobs.Where(j => j.BatchId == id)]),
        "bed" => ([.. jobs.Where(j => j.Beds.Any(b => b.Bed == id)).Select(j => j.BatchId ?? 0).Where(b => b > 0)],
            [.. jobs.Where(j => j.Beds.Any(b => b.Bed == id))]),
        _ => ([], []),
    };

    private static async Task<IEnumerable<ThreadKnot>> LotKnots(HoldingDb db, HashSet<int> lots, Func<DateTimeOffset, DateTimeOffset> local,
        string of) => (await db.Lots.AsNoTracking().Where(l => lots.Contains(l.Id)).Select(l => new { l.Id, l.Mark, l.From, l.Input.Name })
        .ToListAsync()).OrderBy(l => l.Name).Select(l => new ThreadKnot($"lot-{l.Id}", "lot", l.Name,
            $"lot {l.Mark}, {Say.Date(local(l.From))}", 0, "/shelf", of == $"lot-{l.Id}"));

    private static async Task<List<Job>> Jobs(HoldingDb db) =>
        (await db.Applications.ThatStand().AsNoTracking().AsSplitQuery()
            .Select(a => new {
                a.Id, a.At, a.Purpose, a.Solid, a.BatchId, Lots = a.Items.Where(i => i.LotId != null).Select(i => i.LotId!.Value)
                .ToList(), Beds = a.Beds.Select(b => new { b.BedId, b.TotalL }).ToList()
            }).ToListAsync())
            .Select(a => new Job(a.Id, a.At, a.Solid ? "on the ground" : a.Purpose == Purpose.Leaf ? "on leaves" : "on roots", a.BatchId,
                a.Lots, [.. a.Beds.Select(b => (b.BedId, b.TotalL))])).ToList();

    private static string Sentence(string kind, string title, (int Jobs, int Lots, int Batches, int Beds, int Harvests, int Mixes) of,
        string waste)
    {
        return kind == "bed"
            ? $"{title} got {Say.Count(of.Jobs, "job")} from {Say.Count(of.Lots, "lot")}; {Say.Count(of.Harvests, "harvest")} came after."
            : kind is "work" or "heap" ? $"{Say.Count(of.Lots, "lot")} {(of.Lots == 1 ? "hangs" : "hang")} together with {title}"
                + $"{(of.Beds > 0 ? $", and {Say.Count(of.Beds, "bed")}" : "")}."
            : kind == "mix" ? $"{title} was made of {Say.Count(of.Lots, "lot")} and stands on {Say.Count(of.Beds, "bed")}; "
                + $"{Say.Count(of.Harvests, "harvest")} came after."
            : of is { Jobs: 0, Batches: 0, Mixes: 0 } ? $"{title} went nowhere yet.{waste}"
            : $"{title} went into {Into(of)}, on {Say.Count(of.Beds, "bed")}; {Say.Count(of.Harvests, "harvest")} came after.{waste}";
    }

    private static string Into((int Jobs, int Lots, int Batches, int Beds, int Harvests, int Mixes) of) => Say.List([
        .. of.Batches > 0 ? [Say.Count(of.Batches, "batch", "batches")] : Array.Empty<string>(),
        .. of.Mixes > 0 ? [$"{Say.Count(of.Mixes, "job")} of mixing"] : Array.Empty<string>(),
        .. of.Jobs > 0 ? [Say.Count(of.Jobs, "job")] : Array.Empty<string>(),
    ]);

    private static async Task<string?> Title(HoldingDb db, string kind, int id) => kind switch {
        "lot" => await db.Lots.Where(l => l.Id == id).Select(l => l.Input.Name + ", lot " + l.Mark).FirstOrDefaultAsync(),
        "batch" => await db.Batches.Where(b => b.Id == id).Select(b => b.Name).FirstOrDefaultAsync(),
        "mix" => await db.Mixes.Where(m => m.Id == id).Select(m => m.Name).FirstOrDefaultAsync(),
        "work" => await db.Works.Where(w => w.Id == id).Select(w => w.Name).FirstOrDefaultAsync(),
        "heap" => await db.Heaps.Where(h => h.Id == id).Select(h => h.Name).FirstOrDefaultAsync(),
        "bed" => await db.Beds.Where(b => b.Id == id).Select(b => b.Name).FirstOrDefaultAsync(),
        _ => null,
    };

    /// <summary>Where the rest of a lot is: left, spilt, counted away.</summary>
    private static async Task<string> Waste(HoldingDb db, int id, UnitSystem units)
    {
        var lot = await db.Lots.AsNoTracking().Include(l => l.Input).Include(l => l.Entries).FirstAsync(l => l.Id == id);
        var unit = StockKeeper.UnitOf(lot.Input);
        var left = lot.Entries.Sum(e => e.Amount);
        var lost = -lot.Entries.Where(e => e.Reason == StockReason.Spilt || (e.Reason == StockReason.Count && e.Amount < 0))
            .Sum(e => e.Amount);
        return $" {StockKeeper.Shown(Math.Max(0, left), unit, units)} of it is "
            + $"left{(lost > 1e-9 ? $", {StockKeeper.Shown(lost, unit, units)} was spilt or counted away" : "")}.";
    }
}
