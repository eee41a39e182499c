using Microsoft.EntityFrameworkCore;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Brewing;
using MudPie.Server.Web;

namespace MudPie.Server.Brewing;

/// <summary>Where a probe is to be found.</summary>
public sealed record AttachRequest(string? Host, int? Port);

/// <summary>Probes: hanging one in, reading it, taking it out.</summary>
public static class ProbeEndpoints
{
    /// <summary>What can be done.</summary>
    public static void MapProbes(this IEndpointRouteBuilder api)
    {
        api.MapGet("/brew/batches/{id:int}/probe", Read).ForVisitor("A probe's readings, thinned for drawing.");
        api.MapPost("/brew/batches/{id:int}/probe", Attach).ForHand("Puts a probe into a brew.");
        api.MapPost("/brew/batches/{id:int}/probe/detach", Detach).ForHand("Takes it out.");
    }

    private static async Task<Results<Ok<ProbeView>, NoContent, Missing>> Read(int id, HoldingDb db, HoldingClock clock, LiveBrew live) =>
        await live.Load(id) is not { } batch ? Problems.NotFound("batch") : await ProbeData.View(db, batch, clock.Now) is { } view
            ? TypedResults.Ok(view) : TypedResults.NoContent();

    private static async Task<Results<Written<Kept>, Refused, Clash>> Attach(int id, AttachRequest r, HoldingDb db, HoldingClock clock,
        Writes writes)
    {
        var checks = new Checks();
        var host = (r.Host ?? "127.0.0.1").Trim();
        if (host is not ("127.0.0.1" or "localhost" or "::1"))
        {
            checks.Add("host", $"“{(host.Length > 40 ? host[..40] : host)}” is not this machine.",
                "Mud Pie reads probes on 127.0.0.1 only, so far.");
        }

        var port = (int)checks.Range("port", r.Port ?? 5181, 1, 65535, "");
        if (!checks.Sound)
        {
            return Problems.Of(checks.Refusal);
        }

        // Asked before the write begins: a slow probe must hold nobody's transaction.
        var greeting = await ProbeGreeting.Ask(host, port);
        return await writes.Do<Kept>(async () =>
        {
            var batch = await db.Batches.FirstOrDefaultAsync(b => b.Id == id);
            if (batch is not { State: BatchState.Brewing or BatchState.Off })
            {
                return Refusal.Of("state", "This batch is not going.", "Hang a probe in one that has begun.");
            }

            if (greeting is not { } hello)
            {
                return Refusal.Of("port", $"Nothing at {host}:{port} greets as a probe does.",
                    "Start it, look at its port, and try again. docs/probe.md says how it must greet.");
            }

            foreach (var old in await db.Probes.Where(p => p.BatchId == id && p.DetachedAt == null).ToListAsync())
            {
                old.DetachedAt = clock.Now;
            }

            var link = new ProbeLink {
                BatchId = id, Name = hello.Name, Host = host, Port = port, Simulated = hello.Simulated,
                AttachedAt = clock.Now
            };
            db.Probes.Add(link);
            await db.SaveChangesAsync();
            return Writes.Done(new Kept(link.Id));
        });
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Detach(int id, HoldingDb db, HoldingClock clock, Writes writes) =>
        writes.Do<Kept>(async () =>
    {
        var links = await db.Probes.Where(p => p.BatchId == id && p.DetachedAt == null).ToListAsync();
        if (links.Count == 0)
        {
            return Refusal.Of("probe", "No probe hangs in this batch.", "Nothing is to be taken out.");
        }

        links.ForEach(l => l.DetachedAt = clock.Now);
        return Writes.Done(new Kept(links[0].Id));
    });
}

/// <summary>Asks what is at a port whether it is a probe.</summary>
public static class ProbeGreeting
{
    /// <summary>Its name and whether it says it is simulated; null where nothing greets within three seconds.</summary>
    public static async Task<(string Name, bool Simulated)?> Ask(string host, int port)
    {
        using var wait = new CancellationTokenSource(TimeSpan.FromSeconds(3));
        try
        {
            using var client = new System.Net.Sockets.TcpClient();
            await client.ConnectAsync(host, port, wait.Token);
            var buffer = new byte[ProbeWire.LongestLine];
            var read = await client.GetStream().ReadAsync(buffer, wait.Token);
            return ProbeWire.Hello(System.Text.Encoding.ASCII.GetString(buffer, 0, read).Split('\n')[0].TrimEnd('\r'));
        }
        catch (Exception e) when (e is System.Net.Sockets.SocketException or IOException or OperationCanceledException)
        {
            return null;
        }
    }
}
