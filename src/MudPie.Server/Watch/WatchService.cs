using System.Globalization;
using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Server.Brewing;
using MudPie.Server.Web;

namespace MudPie.Server.Watch;

/// <summary>Looks at every brew that is going, and writes down what the watch says: each thing once.</summary>
public sealed class WatchService(IServiceScopeFactory scopes, ILogger<WatchService> log) : BackgroundService
{
    private static readonly TimeSpan Every = TimeSpan.FromSeconds(30);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                await LookOnce();
            }
            catch (Exception e) // whatever one brew holds: the watch looks again, and the server goes on
            {
                log.LogWarning(e, "The watch could not look; it looks again in half a minute");
            }

            await Task.Delay(Every, stoppingToken).ContinueWith(_ => { }, CancellationToken.None);
        }
    }

    private async Task LookOnce()
    {
        using var scope = scopes.CreateScope();
        var turns = scope.ServiceProvider.GetRequiredService<WriteTurns>();
        var db = scope.ServiceProvider.GetRequiredService<HoldingDb>();
        IDisposable? turn = null;
        db.BeforeWrite = async stop => turn ??= await turns.Take(stop);
        try
        {
            await Look(db, scope.ServiceProvider.GetRequiredService<HoldingClock>(), scope.ServiceProvider.GetRequiredService<LiveBrew>());
        }
        finally
        {
            turn?.Dispose();
        }
    }

    /// <summary>One look: new notices are written, and those of brews that are over are closed.</summary>
    public static async Task Look(HoldingDb db, HoldingClock clock, LiveBrew live)
    {
        if (await clock.Find() is not { } holding)
        {
            return;
        }

        CultureInfo.CurrentCulture = await clock.Culture(); // it writes its notices as the holding does
        var lines = new WatchLines(holding.WatchNoReadingH, holding.WatchGraceMinutes, holding.WatchExpectedShare);
        var ids = await db.Batches.Where(b => b.State == BatchState.Brewing || b.State == BatchState.Off).OrderBy(b => b.Id)
            .Select(b => b.Id).Take(20).ToListAsync();
        var now = clock.Now;
        var over = await db.Notices.Where(n => n.DoneAt == null && !ids.Contains(n.BatchId)).ToListAsync();
        over.ForEach(n => n.DoneAt = now);
        foreach (var id in ids)
        {
            if (await live.Load(id) is not { StartedAt: { } started } batch || await live.Watch(batch) is not { Refused: null } watch)
            {
                continue;
            }

            var (_, probe) = await live.Probe(batch, started, now);
            var seen = (await live.Ask(batch, started, now)).Seen;
            var notices = await db.Notices.Where(n => n.BatchId == id).ToListAsync();
            var name = char.ToUpperInvariant(batch.Vessel.Name[0]) + batch.Vessel.Name[1..];
            List<WatchAlert> alerts = [.. WatchAlerts.Of(name, seen, watch.Value, lines, probe)];
            foreach (var notice in notices.Where(n => n.DoneAt is null && !WatchAlerts.StillSo(n.Key, n.Rule, alerts, watch.Value, lines)))
            {
                // Kept with the hour that it held until; under a key of its own, so that it can be said again where it comes to be so
                // again.
                (notice.Key, notice.DoneAt) = ($"{notice.Key}~{notice.Id}", now);
            }

            var known = notices.Select(n => n.Key).ToHashSet();
            foreach (var alert in alerts.Where(a => known.Add(a.Key)))
            {
                db.Notices.Add(new WatchNotice {
                    BatchId = id, Key = alert.Key, Rule = alert.Rule, Tone = alert.Tone, Title = alert.Title,
                    Todo = alert.Todo, At = started.AddHours(alert.AtH), FiredAt = now
                });
            }
        }

        if (db.ChangeTracker.HasChanges())
        {
            await db.SaveChangesAsync();
        }
    }
}
