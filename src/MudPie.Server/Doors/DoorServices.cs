using System.Net;
using Microsoft.AspNetCore.HostFiltering;
using Microsoft.AspNetCore.HttpOverrides;
using Microsoft.AspNetCore.Server.Kestrel.Core;
using Microsoft.Extensions.Options;
using MudPie.Core.Workings;
using MudPie.Server.Held;
using MudPie.Server.People;
using MudPie.Server.Web;

namespace MudPie.Server.Doors;

/// <summary>How the yard comes in.</summary>
/// <param name="CanOpen">Whether this server can be opened by itself: not where it is begun without a port, or behind a proxy.</param>
/// <param name="Open">True while phones reach it.</param>
/// <param name="Address">Where they reach it.</param>
/// <param name="Trust">The page by which a phone comes to trust it; null where the grower brought a certificate.</param>
/// <param name="TrustSquare">The same as a square to scan, an SVG.</param>
/// <param name="Fingerprint">To be compared on both screens.</param>
public sealed record DoorView(bool CanOpen, bool Open, string? Address, string? Trust, string? TrustSquare, string? Fingerprint);

/// <summary>Whether it is to be open.</summary>
/// <param name="Open">Whether.</param>
public sealed record OpenRequest(bool Open);

/// <summary>Opening to the yard, put together.</summary>
public static class DoorServices
{
    private const long LargestBody = 26_000_000; // a photo of 25 MB

    /// <summary>Adds what is listened on, and its limits.</summary>
    public static void AddDoors(this WebApplicationBuilder builder, int? port)
    {
        var listens = new DoorSettings { Port = port };
        var kestrel = new ConfigurationBuilder().Add(listens).Build();
        listens.Listen(false, false);
        builder.Services.AddSingleton(listens).AddSingleton<YardDoor>().AddSingleton<Reached>().AddHostedService<DoorKeeper>();
        builder.WebHost.ConfigureKestrel(o =>
        {
            o.AddServerHeader = false;
            o.Limits.MaxRequestBodySize = LargestBody;
            o.Limits.MaxConcurrentConnections = 2_000;
            o.Limits.MaxConcurrentUpgradedConnections = 0;
            o.Limits.MaxRequestHeadersTotalSize = 16 * 1024;
            o.Limits.MaxRequestLineSize = 8 * 1024;
            o.Limits.RequestHeadersTimeout = TimeSpan.FromSeconds(15);
            o.Limits.MinRequestBodyDataRate = new MinDataRate(100, TimeSpan.FromSeconds(20)); // a field with one bar
            o.Limits.MinResponseDataRate = new MinDataRate(100, TimeSpan.FromSeconds(20));
            if (port is not null)
            {
                var services = o.ApplicationServices;
                o.Configure(kestrel, reloadOnChange: true).Endpoint("Yard", e =>
                    e.HttpsOptions.ServerCertificateSelector = (_, _) => services.GetRequiredService<YardDoor>().Certificate);
            }
        });
        builder.Services.AddSingleton<IOptionsChangeTokenSource<HostFilteringOptions>>(at => at.GetRequiredService<YardDoor>());
        builder.Services.AddOptions<HostFilteringOptions>().Configure<YardDoor>((o, door) =>
        {
            o.AllowedHosts = [.. door.Hosts];
            o.IncludeFailureMessage = false; // said as all else
        });
        var proxies = Addresses(builder.Configuration["Holding:Proxy"]);
        builder.Services.Configure<ForwardedHeadersOptions>(o =>
        {
            o.ForwardedHeaders = proxies.Count == 0 ? ForwardedHeaders.None
                : ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto | ForwardedHeaders.XForwardedHost;
            o.KnownIPNetworks.Clear();
            o.KnownProxies.Clear();
            proxies.ForEach(o.KnownProxies.Add);
        });
    }

    private static List<IPAddress> Addresses(string? given) => [.. (given ?? "").Split([',', ' '],
        StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(a => IPAddress.TryParse(a, out var ip) ? ip
            : throw new OpeningException($"“{a}” is no address of a proxy: give one such as 127.0.0.1."))];

    /// <summary>What a proxy forwards, and the page that hands out the authority: before all else.</summary>
    public static void UseDoors(this WebApplication app)
    {
        app.UseForwardedHeaders(); // from the named proxy only; without one it does nothing
        var (door, reached) = (app.Services.GetRequiredService<YardDoor>(), app.Services.GetRequiredService<Reached>());
        app.Use((context, next) => door.IsOpen && context.Connection.LocalPort == door.TrustPort
            ? TrustPage.Serve(context, door, reached) : next(context));
    }

    /// <summary>Opens to the yard if that is wanted and there is an owner.</summary>
    /// <returns>What to say of it; null where nothing is to be said.</returns>
    public static string? OpenYard(this IServiceProvider services, bool asked)
    {
        var (door, gate) = (services.GetRequiredService<YardDoor>(), services.GetRequiredService<OpenHoldings>().Door.Of<Gate>());
        door.Wanted = asked || door.WasOpen;
        if (!door.Wanted)
        {
            return null;
        }

        if (!door.CanOpen)
        {
            throw new OpeningException(services.GetRequiredService<OpenHoldings>().Box is null
                ? "It can't be opened to the yard so: give --keys FOLDER, where the certificate's key is to lie, and no --proxy."
                : "A box is reached by names: give --name box.example and --certificate FILE for it and for *.box.example, or begin it "
                    + "without --open behind a proxy (deploy/).");
        }

        if (!gate.HasOwner)
        {
            gate.FirstOwner += () => Task.Run(door.Open);
            return "There is no owner yet, so nobody is let in from the yard. At this machine, open Keep → People and copies and make the "
                + "owner's password; it opens then.";
        }

        door.Open();
        return Said(door, services.GetRequiredService<Reached>());
    }

    private static string Said(YardDoor door, Reached reached) => reached.Yard is null
        ? "Open to the yard, but this machine is on no network."
        : $"Open to the yard at {reached.Yard}" + (door.TrustAddress is null ? ""
            : $"\nA phone trusts it once by {door.TrustAddress} (fingerprint {door.Short})");

    /// <summary>What can be done.</summary>
    public static void MapDoors(this IEndpointRouteBuilder api)
    {
        api.MapGet("/people/yard", See).ForOwner("Whether the yard's phones reach this server, and how they come to trust it.")
            .AlsoAtBox();
        api.MapPost("/people/yard", Set).ForOwner("Opens to the yard's phones, or closes.").AlsoAtBox();
    }

    private static DoorView See(YardDoor door, Reached reached, HoldingPlace place) => new(CanOpen(door, place), door.IsOpen, reached.Yard,
        door.TrustAddress, door.TrustAddress is null ? null : QrCodes.Square(door.TrustAddress), door.Short);

    // at a co-operative's box it is for whoever keeps the box
    private static bool CanOpen(YardDoor door, HoldingPlace place) => door.CanOpen && !place.OfBox;

    private static async Task<Results<Ok<DoorView>, Refused>> Set(OpenRequest r, YardDoor door, Reached reached, HoldingPlace place,
        Gate gate, PeopleDesk desk)
    {
        if (!CanOpen(door, place))
        {
            return Problems.Of(Refusal.Of("open", "This server is opened by whoever began it.",
                "Begin it with ./mudpie serve, or see how a proxy is set up in deploy/."));
        }

        if (!gate.HasOwner)
        {
            return Problems.Of(Refusal.Of("open", "There is no owner yet.", "Make the owner's password first: nobody is let in without."));
        }

        try
        {
            if (r.Open != door.IsOpen)
            {
                (r.Open ? (Action)door.Open : door.Close)();
                await desk.Happen(r.Open ? DoorEvent.Opened : DoorEvent.Closed);
            }
        }
        catch (OpeningException e)
        {
            return Problems.Of(Refusal.Of("open", e.Message, "It is as it was."));
        }

        return TypedResults.Ok(See(door, reached, place));
    }
}

/// <summary>Minds the door: the certificate is made anew in time, or when the machine's addresses change; and old lines are
/// forgotten.</summary>
internal sealed class DoorKeeper(YardDoor door, OpenHoldings all, TimeProvider time, ILogger<DoorKeeper> log)
    : BackgroundService
{
    private static readonly TimeSpan Every = TimeSpan.FromMinutes(2), PruneEvery = TimeSpan.FromDays(1);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Every, time);
        var pruned = DateTimeOffset.MinValue;
        do
        {
            try
            {
                door.Renew();
                if (all.Door.Of<Gate>().HasOwner && time.GetUtcNow() - pruned > PruneEvery)
                {
                    using var scope = all.Door.Scopes.CreateScope();
                    await scope.ServiceProvider.GetRequiredService<PeopleDesk>().Prune();
                    pruned = time.GetUtcNow();
                }
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                log.LogWarning(e, "The door could not be minded; it is tried again");
            }
        }
        while (await timer.WaitForNextTickAsync(stoppingToken));
    }
}
