using Microsoft.EntityFrameworkCore;
using MudPie.Core.Judging.Reckoning;
using MudPie.Records.Ground;
using MudPie.Records.Judging;
using MudPie.Records.Looking;
using MudPie.Records.Mixing;
using MudPie.Records.PuttingOut;
using MudPie.Records.Shelf;
using MudPie.Records.Works;

namespace MudPie.Records;

/// <summary>An entry that is never changed: a later one puts it right, and points at it.</summary>
public interface IPutRight
{
    int Id { get; }

    /// <summary>The entry that this one puts right.</summary>
    int? CorrectsId { get; }
}

/// <summary>What stands: of entries that are never changed, those that no later one puts right. Asked here, and nowhere in other
/// words.</summary>
public static class Standing
{
    /// <summary>Entries that no later one puts right.</summary>
    public static IQueryable<T> ThatStand<T>(this DbSet<T> all)
        where T : class, IPutRight => all.Where(e => !all.Any(c => c.CorrectsId == e.Id));

    /// <summary>Jobs that were done and stand: neither put right nor struck, and no mere striking of another.</summary>
    public static IQueryable<Application> ThatStand(this DbSet<Application> all) =>
        all.Where(e => !e.Strikes && !all.Any(c => c.CorrectsId == e.Id));

    /// <summary>Jobs that happened, whatever was put right of them since: what a sprayer was used for does not wash itself out of it. A job
    /// that was struck never was.</summary>
    public static IQueryable<Application> ThatHappened(this DbSet<Application> all) =>
        all.Where(e => !e.Strikes && !all.Any(c => c.CorrectsId == e.Id && c.Strikes));

    /// <summary>Checks of the ground that stand: neither put right nor struck, and no mere striking of another.</summary>
    public static IQueryable<GroundCheck> ThatStand(this DbSet<GroundCheck> all) =>
        all.Where(e => !e.Strikes && !all.Any(c => c.CorrectsId == e.Id));

    /// <summary>What was done to the ground and stands.</summary>
    public static IQueryable<FieldLog> ThatStand(this DbSet<FieldLog> all) =>
        all.Where(e => !e.Strikes && !all.Any(c => c.CorrectsId == e.Id));

    /// <summary>The same of entries that were read in, such as a batch's log.</summary>
    public static IEnumerable<T> ThatStand<T>(this IReadOnlyCollection<T> all)
        where T : IPutRight
    {
        var corrected = all.Select(e => e.CorrectsId).OfType<int>().ToHashSet();
        return all.Where(e => !corrected.Contains(e.Id));
    }

    /// <summary>Steps of mixing that were done and stand, oldest first: neither undone, nor the undoing of another.</summary>
    public static IQueryable<MixEntry> ThatStand(this DbSet<MixEntry> all) =>
        all.Where(e => e.CorrectsId == null && !all.Any(c => c.CorrectsId == e.Id)).OrderBy(e => e.At).ThenBy(e => e.Id);

    /// <summary>What was done at heaps and stands, oldest first: neither struck, nor the striking of another.</summary>
    public static IQueryable<HeapEntry> ThatStand(this DbSet<HeapEntry> all) =>
        all.Where(e => e.CorrectsId == null && !all.Any(c => c.CorrectsId == e.Id)).OrderBy(e => e.At).ThenBy(e => e.Id);

    /// <summary>What was done at works in the yard and stands, oldest first: neither struck, nor the striking of another.</summary>
    public static IQueryable<WorkEntry> ThatStand(this DbSet<WorkEntry> all) =>
        all.Where(e => e.CorrectsId == null && !all.Any(c => c.CorrectsId == e.Id)).OrderBy(e => e.At).ThenBy(e => e.Id);

    /// <summary>Of each entry that was put right, the newest that does.</summary>
    public static IReadOnlyDictionary<int, int> RightedBy<T>(this IEnumerable<T> all)
        where T : IPutRight =>
        all.Where(e => e.CorrectsId is not null).GroupBy(e => e.CorrectsId!.Value).ToDictionary(g => g.Key, g => g.Max(e => e.Id));

    /// <summary>The grower's own mixing rules that are in force, the newest first.</summary>
    public static IQueryable<OwnMixRule> ThatStand(this DbSet<OwnMixRule> all) =>
        all.Where(m => m.EndedAt == null).OrderByDescending(m => m.Id);

    /// <summary>Results of a set that were not taken out.</summary>
    public static IEnumerable<AcrossResult> ThatStand(this IEnumerable<AcrossResult> all) => all.Where(r => r.OutWhy is null);

    /// <summary>What the grower said last for the reckoning; the house's where nothing was said.</summary>
    public static async Task<ReckoningTerms> Newest(this DbSet<OwnReckoning> all) =>
        (await all.AsNoTracking().OrderByDescending(r => r.Id).FirstOrDefaultAsync())?.Terms ?? new ReckoningTerms();

    /// <summary>The newest check of each bed.</summary>
    public static IQueryable<BedCheck> Newest(this DbSet<BedCheck> all) =>
        all.Where(c => !all.Any(d => d.BedId == c.BedId && (d.At > c.At || (d.At == c.At && d.Id > c.Id))));

    /// <summary>The newest asking of each lot of source.</summary>
    public static IQueryable<SourceCheck> Newest(this DbSet<SourceCheck> all) =>
        all.Where(c => !all.Any(d => d.InputId == c.InputId && d.Id > c.Id));
}
