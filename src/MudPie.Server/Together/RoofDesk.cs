using Microsoft.EntityFrameworkCore;
using MudPie.Core.Judging.Together;
using MudPie.Core.Workings;
using MudPie.Records.Judging;
using MudPie.Server.Shared;
using MudPie.Server.Web;

namespace MudPie.Server.Together;

/// <summary>Protocols and results between the holdings of a box: each by its owner's word, and nothing else of a holding.</summary>
public sealed class RoofDesk(SharedDb shared, SharedFile file, HoldingClock clock)
{
    /// <summary>True at a holding of a box.</summary>
    public bool AtBox => file.AtBox;

    /// <summary>Protocols that other holdings offer; none where there are no others.</summary>
    public async Task<List<SharedProtocol>> Offered() => !AtBox ? [] : [.. (await shared.Protocols.AsNoTracking()
        .Where(p => p.EndedAt == null).OrderByDescending(p => p.Id).Take(100).ToListAsync())
        .Where(p => p.Holding != file.Here && file.Has(p.Holding))];

    /// <summary>Whether this holding offers it.</summary>
    public async Task<bool> Offers(Guid mark)
    {
        var here = file.Here;
        return AtBox && await shared.Protocols.AnyAsync(p => p.Mark == mark && p.Holding == here && p.EndedAt == null);
    }

    /// <summary>What others found by it, the latest of each garden; none where there are no others.</summary>
    public async Task<List<SharedResult>> Others(Guid mark) => [.. (await Results(mark)).Where(r => r.Holding != file.Here)];

    /// <summary>Own gardens whose results the others were given.</summary>
    public async Task<HashSet<Guid>> Given(Guid mark) => [.. (await Results(mark)).Where(r => r.Holding == file.Here)
        .Select(r => r.Garden)];

    /// <summary>Lets the others join a protocol, or no more.</summary>
    public Task<Ruling<Kept>> Offer(HeldProtocol p, bool on) => !AtBox ? Task.FromResult<Ruling<Kept>>(SharedFile.NoBox)
        : file.InTurn<Kept>(async () =>
    {
        var here = file.Here;
        var standing = await shared.Protocols.FirstOrDefaultAsync(s => s.Mark == p.Mark && s.Holding == here && s.EndedAt == null);
        if (on && standing is null)
        {
            shared.Add(new SharedProtocol { Mark = p.Mark, Holding = here, Told = p.Told, By = file.By, At = clock.Now });
        }
        else if (!on)
        {
            standing?.EndedAt = clock.Now;
        }

        return Writes.Done(new Kept(p.Id));
    });

    /// <summary>Gives the others what a trial found, or takes it back.</summary>
    public Task<Ruling<Kept>> Give(int trialId, Guid mark, Guid garden, GardenResult? told) => !AtBox
        ? Task.FromResult<Ruling<Kept>>(SharedFile.NoBox) : file.InTurn<Kept>(async () =>
    {
        var here = file.Here;
        foreach (var before in await shared.Results.Where(r => r.Garden == garden && r.Holding == here && r.EndedAt == null).ToListAsync())
        {
            before.EndedAt = clock.Now;
        }

        if (told is not null)
        {
            shared.Add(new SharedResult { Protocol = mark, Garden = garden, Holding = here, Told = told, By = file.By, At = clock.Now });
        }

        return Writes.Done(new Kept(trialId));
    });

    private async Task<List<SharedResult>> Results(Guid mark) => !AtBox ? [] : [.. (await shared.Results.AsNoTracking()
        .Where(r => r.Protocol == mark && r.EndedAt == null).OrderBy(r => r.Id).Take(400).ToListAsync())
        .Where(r => file.Has(r.Holding)).GroupBy(r => (r.Holding, r.Garden)).Select(g => g.Last())];
}
