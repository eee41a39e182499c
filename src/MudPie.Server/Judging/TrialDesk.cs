using Microsoft.EntityFrameworkCore;
using MudPie.Core.Judging.Trials;
using MudPie.Records;
using MudPie.Records.Judging;

namespace MudPie.Server.Judging;

/// <summary>Reads a trial and its figures for the core.</summary>
public sealed class TrialDesk(HoldingDb db)
{
    /// <summary>The trial with all that belongs to it, or null.</summary>
    public Task<Trial?> Find(int id, bool tracked = false)
    {
        var trials = db.Trials.Include(t => t.Treatments.OrderBy(x => x.Order)).ThenInclude(t => t.Input)
            .Include(t => t.Plots.OrderBy(p => p.Number)).ThenInclude(p => p.Treatment).Include(t => t.Measures.OrderBy(m => m.Order))
            .Include(t => t.Events).AsSplitQuery();
        return (tracked ? trials : trials.AsNoTracking()).FirstOrDefaultAsync(t => t.Id == id);
    }

    /// <summary>Figures that stand: those that no later one puts right.</summary>
    public async Task<IReadOnlyList<DatedFigure>> Standing(int trialId) =>
        [.. (await db.TrialReadings.ThatStand().AsNoTracking().Where(r => r.TrialId == trialId).ToListAsync()).Select(r => r.Dated())];

    /// <summary>Noise of the same measure in trials that have ended here, the latest first; null where there is none.</summary>
    public async Task<(double Sd, string Says)?> History(TrialMeasure m, int notTrial, CancellationToken stop)
    {
        var ids = await db.Trials.AsNoTracking().Where(t => t.Id != notTrial && t.State == TrialState.Ended
            && t.Measures.Any(x => x.Name == m.Name && x.Unit == m.Unit)).OrderByDescending(t => t.EndedAt).Select(t => t.Id).Take(5)
            .ToListAsync(stop);
        foreach (var id in ids)
        {
            var past = (await Find(id))!;
            var same = past.Measures.First(x => x.Name == m.Name && x.Unit == m.Unit);
            if (TrialAnalysis.Of(TrialAsking.Of(past.Laid(), same.Laid(), await Standing(id), stop: stop)) is { Refused: null } told
                && told.Value.NoiseSd is { } sd)
            {
                return (sd, $"from “{past.Question}”");
            }
        }

        return null;
    }
}
