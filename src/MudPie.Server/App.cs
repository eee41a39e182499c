using System.Globalization;
using Microsoft.Extensions.Caching.Memory;
using MudPie.Records;
using MudPie.Server.Ahead;
using MudPie.Server.Almanac;
using MudPie.Server.Book;
using MudPie.Server.Box;
using MudPie.Server.Brewing;
using MudPie.Server.Calculators;
using MudPie.Server.Copies;
using MudPie.Server.Doors;
using MudPie.Server.Ground;
using MudPie.Server.Held;
using MudPie.Server.Judging;
using MudPie.Server.Looking;
using MudPie.Server.Lots;
using MudPie.Server.Mixing;
using MudPie.Server.Notes;
using MudPie.Server.People;
using MudPie.Server.PuttingOut;
using MudPie.Server.Reckoning;
using MudPie.Server.Sheets;
using MudPie.Server.Shared;
using MudPie.Server.Shelf;
using MudPie.Server.Solids;
using MudPie.Server.Today;
using MudPie.Server.Together;
using MudPie.Server.Watch;
using MudPie.Server.Weather;
using MudPie.Server.Web;
using MudPie.Server.Works;
using MudPie.Server.Yards;

namespace MudPie.Server;

/// <summary>The web application, put together.</summary>
public static class App
{
    /// <summary>Serves a holding until it is told to stop. Settings: <c>Holding:File</c> where the data lies, <c>Holding:Demo</c> to make
    /// the demo holding anew, <c>Holding:Port</c>.</summary>
    /// <returns>0 when it was stopped; 2, with one sentence on the error stream, when it could not begin.</returns>
    public static async Task<int> Run(string[] args, Action? whenOpen = null)
    {
        try
        {
            return await Serve(args, whenOpen);
        }
        catch (Exception e) when (Opening.Says(e) is { } sentence)
        {
            await Console.Error.WriteLineAsync(sentence);
            return 2;
        }
    }

    private static async Task<int> Serve(string[] args, Action? whenOpen)
    {
        var builder = WebApplication.CreateBuilder(args);
        builder.Logging.SetMinimumLevel(LogLevel.Warning); // where nothing else is said
        var settings = builder.Configuration.GetSection("Holding");
        int? port = settings["Port"] is { } given && builder.Configuration["urls"] is null ? Opening.Port(given) : null;
        if (port is null && builder.Configuration["urls"] is null)
        {
            builder.WebHost.UseUrls("http://127.0.0.1:5180");
        }

        if (port is not null && settings["Keys"] is not { Length: > 0 })
        {
            settings["Keys"] = Opening.KeysOf(settings["Folder"] is { Length: > 0 } folder ? Path.Combine(folder, "people.mudpie")
                : settings["File"] ?? "holding.mudpie");
        }

        if (settings["Keys"] is { Length: > 0 } keys)
        {
            settings["Keys"] = Opening.Private(keys);
        }

        builder.AddLogs();
        builder.AddDoors(port);
        AddServices(builder);
        builder.AddPeople();
        await using var app = builder.Build();
        Map(app);
        if (!ForOpenApi)
        {
            if (port is not null)
            {
                Opening.Free(port.Value);
            }

            var holding = app.Services.GetRequiredService<OpenHoldings>().Door;
            holding.Take(app.Services.GetRequiredService<TimeProvider>().GetUtcNow());
            holding.Scopes.OpenPeople(make: holding.Place.IsBox);
            holding.Scopes.OpenShared();
            if (app.Services.OpenYard(settings.GetValue("Open", false)) is { } said)
            {
                app.Lifetime.ApplicationStarted.Register(() => Console.WriteLine(said));
            }
        }

        if (whenOpen is not null)
        {
            app.Lifetime.ApplicationStarted.Register(whenOpen);
        }

        if (settings.GetValue("Say", true))
        {
            app.Lifetime.ApplicationStarted.Register(() => Console.WriteLine($"Mud Pie is open at {string.Join(", ", app.Urls)}"));
        }

        if (!ForOpenApi && settings.GetValue("Warm", true))
        {
            app.Lifetime.ApplicationStarted.Register(() => Task.Run(Warmth.Up));
        }

        await app.RunAsync();
        return 0;
    }

    // The tool that writes the OpenAPI file at build starts the application too, and must leave no file behind.
    private static bool ForOpenApi => System.Reflection.Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider";

    // A write that comes too late is done again, and a file that can't be written is said in one sentence (ProblemHandler): the layers
    // below need not shout as well.
    internal static readonly string[] Shouts = ["Microsoft.EntityFrameworkCore.Database.Command", "Microsoft.EntityFrameworkCore.Update",
        "Microsoft.AspNetCore.DataProtection"];

    private static void AddServices(WebApplicationBuilder builder)
    {
        foreach (var shouts in Shouts)
        {
            builder.Logging.AddFilter(shouts, LogLevel.None);
        }

        var services = builder.Services;
        services.ConfigureHttpJsonOptions(o => Json.Set(o.SerializerOptions));
        services.Configure<RouteHandlerOptions>(o => o.ThrowOnBadRequest = true);
        services.AddDbContext<HoldingDb>((at, o) => o.UseHolding(at.GetRequiredService<HoldingPlace>().File)
            .AddInterceptors(at.GetRequiredService<CountsWrites>()));
        services.AddDbContext<SharedDb>((at, o) => o.UseHolding(at.GetRequiredService<HoldingPlace>().People, SharedDb.History));
        services.AddSingleton(TimeProvider.System);
        services.AddHoldings().AddForEach<WriteTurns>().AddForEach<LiveFeed>().AddForEach<WeatherHealth>().AddForEach<CopyShelf>()
            .AddForEach<CountsWrites>().AddForEach<IMemoryCache>(() => new HoldingCache());
        services.AddHttpContextAccessor();
        services.AddScoped<HoldingClock>().AddScoped<Writes>().AddScoped<LiveBrew>().AddScoped<PlanDesk>().AddScoped<ForwardRun>()
            .AddScoped<StockKeeper>().AddScoped<WeatherBook>().AddScoped<TankJobs>().AddScoped<TankStarts>().AddScoped<TankMixing>()
            .AddScoped<LotCosts>().AddScoped<TankCosts>().AddScoped<TrialDesk>().AddScoped<ClaimDesk>().AddScoped<MixDesk>()
            .AddScoped<HeapDesk>().AddScoped<WorkDesk>().AddScoped<SheetDesk>().AddScoped<SolidDesk>().AddScoped<SharedFile>()
            .AddScoped<SharedDesk>().AddScoped<IVesselCard>(at => at.GetRequiredService<SharedDesk>()).AddScoped<HandingDesk>()
            .AddScoped<TogetherDesk>().AddScoped<RoofDesk>().AddScoped<JobsBook>().AddScoped<EvidenceBook>().AddScoped<ReckoningDesk>()
            .AddScoped<ReckoningTelling>().AddScoped<ReckoningPlans>().AddScoped<AheadDesk>();
        if (!ForOpenApi && builder.Configuration.GetValue("Holding:Background", true))
        {
            services.AddWorkerForEach<ProbeReader>().AddWorkerForEach<WatchService>().AddWorkerForEach<WeatherReader>()
                .AddHostedService<BoxKeeper>();
        }

        if (!ForOpenApi)
        {
            services.AddWorkerForEach<CopyKeeper>();
        }

        services.AddProblemDetails();
        services.AddRequestTimeouts(o =>
            o.DefaultPolicy = new() {
                Timeout = TimeSpan.FromSeconds(builder.Configuration.GetValue("Holding:PatienceSeconds", 60)),
                TimeoutStatusCode = 503, WriteTimeoutResponse = Problems.TookTooLong
            });
        services.AddExceptionHandler<ProblemHandler>();
        services.AddOpenApi(o => o.AddOperationTransformer((operation, context, _) =>
        {
            var least = context.Description.ActionDescriptor.EndpointMetadata.OfType<LeastRole>().Last().Role;
            operation.Extensions = new Dictionary<string, Microsoft.OpenApi.IOpenApiExtension> {
                ["x-least-role"] = new Microsoft.OpenApi.JsonNodeExtension(least.Word())
            };
            return Task.CompletedTask;
        }));
        services.AddResponseCompression(o => o.EnableForHttps = true);
        foreach (var outermost in services.Where(s => s.ImplementationType?.Name == "HostFilteringStartupFilter").ToList())
        {
            services.Remove(outermost); // it would refuse without a word, before anything of ours is asked
        }

        services.AddHostFiltering(_ => { });
    }

    private static void Map(WebApplication app)
    {
        app.UseRequestLines();
        app.UseExceptionHandler();
        app.UseDoors();
        app.UseRequestTimeouts();
        app.UseHoldings([.. NetNames.Given(app.Configuration), "localhost"]);
        app.Use(async (context, next) =>
        {
            Core.Workings.Patience.Until(context.RequestAborted);
            SentBody.Watch(context);
            if (context.Request.Path.StartsWithSegments("/api"))
            {
                context.Response.Headers.CacheControl = "no-store"; // what a phone keeps it keeps by itself (web/sw.ts), and forgets
                // so that a phone whose clock is wrong dates what it writes by this one
                context.Response.Headers["Mudpie-Now"] =
                    context.RequestServices.GetRequiredService<TimeProvider>().GetUtcNow().ToString("O", CultureInfo.InvariantCulture);
                CultureInfo.CurrentCulture = await context.RequestServices.GetRequiredService<HoldingClock>().Culture();
            }

            await next(context);
        });
        app.UsePlainAnswers();
        app.UseHostFiltering();
        app.UseSecurityHeaders(Headers());
        app.UseSameSite();
        app.UseResponseCompression();
        app.UseDefaultFiles();
        app.UseStaticFiles(new StaticFileOptions {
            // what is built carries a digest in its name; all else may be another tomorrow
            OnPrepareResponse = c => c.Context.Response.Headers.CacheControl = c.Context.Request.Path.StartsWithSegments("/assets")
                ? "public, max-age=31536000, immutable" : "no-cache",
        });
        app.UsePeople();
        app.UseServed();
        app.MapHealth();
        app.MapOpenApi().WithMetadata(new LeastRole(Role.Visitor));
        Rooms(app.MapGroup("/api"));
        app.MapFallbackToFile("index.html",
            new StaticFileOptions { OnPrepareResponse = c => c.Context.Response.Headers.CacheControl = "no-cache" }).AllowAnonymous();
    }

    private static void Rooms(RouteGroupBuilder api)
    {
        api.MapCalculators();
        api.MapAmounts();
        api.MapSetup();
        api.MapGround();
        api.MapToday();
        api.MapFieldReads();
        api.MapYard();
        api.MapPlans();
        api.MapBatches();
        api.MapBatchLogs();
        api.MapBringing();
        api.MapWater();
        api.MapSources();
        api.MapRecipes();
        api.MapAir();
        api.MapAsking();
        api.MapProbes();
        api.MapMicroscope();
        api.MapCleaning();
        api.MapCards();
        api.MapLookingBack();
        api.MapPractice();
        api.MapWatch();
        api.MapMoves();
        api.MapRounds();
        api.MapPutOut();
        api.MapWindows();
        api.MapSprayers();
        api.MapDoses();
        api.MapMixing();
        api.MapProgrammes();
        api.MapMixBench();
        api.MapHeaps();
        api.MapWorks();
        api.MapLabSheets();
        api.MapSheetPlaces();
        api.MapLabs();
        api.MapClaims();
        api.MapSolids();
        api.MapByproducts();
        api.MapAlmanac();
        api.MapBlends();
        api.MapShelf();
        api.MapBook();
        api.MapBookFiles();
        api.MapThreads();
        api.MapWaits();
        api.MapGeo();
        api.MapNotes();
        Judged(api);
        Door(api);
        api.MapFallback(PlainAnswers.NoEndpoint).AllowAnonymous();
    }

    private static void Door(RouteGroupBuilder api)
    {
        api.MapPeople();
        api.MapPasskeys();
        api.MapWritten();
        api.MapFeed();
        api.MapLive();
        api.MapDoors();
        api.MapBox();
        api.MapShared();
        api.MapCopies();
    }

    private static void Judged(RouteGroupBuilder api)
    {
        api.MapLooking();
        api.MapBrix();
        api.MapBrixBeds();
        api.MapTrials();
        api.MapTrialSteps();
        api.MapSheets();
        api.MapTrialAnswers();
        api.MapTrialFiles();
        api.MapAcross();
        api.MapTogether();
        api.MapPatches();
        api.MapPracticePlot();
        api.MapReckoning();
        api.MapHarm();
        api.MapAhead();
    }

    private static HeaderPolicyCollection Headers() => new HeaderPolicyCollection()
        .AddDefaultSecurityHeaders()
        .AddContentSecurityPolicy(csp =>
        {
            csp.AddDefaultSrc().Self();
            csp.AddScriptSrc().Self();
            csp.AddStyleSrc().Self().UnsafeInline(); // Radix places its popovers with style attributes
            csp.AddImgSrc().Self().Data().Blob();
            csp.AddFontSrc().Self();
            csp.AddConnectSrc().Self();
            csp.AddObjectSrc().None();
            csp.AddFrameAncestors().None();
            csp.AddFormAction().Self();
            csp.AddBaseUri().Self();
        })
        .AddCrossOriginResourcePolicy(corp => corp.SameOrigin());
}
