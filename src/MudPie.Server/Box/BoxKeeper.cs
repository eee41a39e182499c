using MudPie.Core.Keeping;
using MudPie.Records;
using MudPie.Server.Copies;
using MudPie.Server.Held;

namespace MudPie.Server.Box;

/// <summary>Looks after the holdings of a co-operative's box: closes those that nobody is at, opens those in which something goes on, and
/// sees to each one's copies at night.</summary>
/// <param name="all">The holdings.</param>
/// <param name="time">The clock.</param>
/// <param name="log">Where is said what went wrong.</param>
internal sealed class BoxKeeper(OpenHoldings all, TimeProvider time, ILogger<BoxKeeper> log) : BackgroundService
{
    private static readonly TimeSpan Every = TimeSpan.FromMinutes(1), RoundEvery = TimeSpan.FromMinutes(30);
    private static readonly TimeSpan Breath = TimeSpan.FromMilliseconds(5);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        if (all.Box is null)
        {
            return;
        }

        using var timer = new PeriodicTimer(Every, time);
        var round = DateTimeOffset.MinValue;
        do
        {
            try
            {
                await all.CloseIdle();
                if (time.GetUtcNow() - round >= RoundEvery)
                {
                    await Round(stoppingToken);
                    round = time.GetUtcNow();
                }
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                log.LogWarning(e, "The box could not be looked after; it is tried again in a minute");
            }
        }
        while (await timer.WaitForNextTickAsync(stoppingToken));
    }

    /// <summary>Goes through all that are closed.</summary>
    internal async Task Round(CancellationToken stop)
    {
        var box = all.Box!.Of<CopyShelf>();
        if (box.Nightly)
        {
            await box.MakeDue(time.GetLocalNow(), Guid.Empty, stop);
        }

        foreach (var name in all.Names())
        {
            stop.ThrowIfCancellationRequested();
            if (all.Stands(name).IsOpen)
            {
                continue; // it sees to itself
            }

            try
            {
                await Look(name, box.Nightly);
            }
            catch (Exception e) when (e is OpeningException || FileTrouble.Of(e) is not null)
            {
                log.LogWarning("{Holding} could not be looked after: {Why}", name, e.Message);
            }

            await Task.Delay(Breath, stop);
        }
    }

    private async Task Look(string name, bool copies)
    {
        var file = all.FileOf(name);
        if (HoldingGlance.GoesOn(file))
        {
            if (all.Open >= OpenHoldings.Most)
            {
                return; // it would only push another out: seen to when somebody comes
            }

            (await all.Enter(name))?.Dispose(); // open as long as something goes on
            return;
        }

        // by this machine's own night: in the holding's own zone it is looked at once it is open
        var newest = CopyRotation.Newest(time.GetLocalNow(), [.. DatedCopies.In(DatedCopies.Folder(file), file)
            .Where(c => c.ByHand is null).Select(c => c.Day)]);
        if (!copies || CopyRotation.Due(time.GetLocalNow(), newest) is null || HoldingGlance.Title(file) is null)
        {
            return;
        }

        using (var visit = await all.Enter(name))
        {
            if (visit is not null)
            {
                await CopyKeeper.Due(visit.Holding.Scopes, visit.Holding.Of<CopyShelf>(), CancellationToken.None);
            }
        }

        await all.Close(name);
    }
}
