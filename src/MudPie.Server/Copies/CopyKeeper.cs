using MudPie.Server.Web;

namespace MudPie.Server.Copies;

/// <summary>Makes the night's copies when they are due, and at once where the machine slept through the night.</summary>
internal sealed class CopyKeeper(CopyShelf shelf, IServiceScopeFactory scopes, TimeProvider time, ILogger<CopyKeeper> log)
    : BackgroundService
{
    private static readonly TimeSpan Every = TimeSpan.FromMinutes(5);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        if (!shelf.Nightly)
        {
            return;
        }

        using var timer = new PeriodicTimer(Every, time);
        do
        {
            try
            {
                await Due(scopes, shelf, stoppingToken);
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                log.LogWarning(e, "No copy could be made; it is tried again in five minutes");
            }
        }
        while (await timer.WaitForNextTickAsync(stoppingToken));
    }

    /// <summary>Makes what is due.</summary>
    internal static async Task Due(IServiceScopeFactory scopes, CopyShelf shelf, CancellationToken stop)
    {
        using var scope = scopes.CreateScope();
        var clock = scope.ServiceProvider.GetRequiredService<HoldingClock>();
        if (await clock.Find() is { } holding) // before it is set up there is nothing to copy
        {
            await shelf.MakeDue((await clock.Local())(clock.Now), holding.Own, stop);
        }
    }
}
