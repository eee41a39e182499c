using System.Collections.Concurrent;
using MudPie.Records;

namespace MudPie.Server.Held;

/// <summary>Where a holding lies, and how it is called by those who serve it.</summary>
/// <param name="Name">By which it is asked for at a co-operative's box; empty where it is the only one served, and for the box
/// itself.</param>
/// <param name="File">Its file.</param>
/// <param name="People">The file in which its people lie: its own, or the box's.</param>
public sealed record HoldingPlace(string Name, string File, string People)
{
    /// <summary>True for one of several that a box serves, with its people in the box's file.</summary>
    public bool OfBox => Name.Length > 0;

    /// <summary>True for the box itself, which has people and no record.</summary>
    public bool IsBox { get; init; }
}

/// <summary>A holding that is served: where it lies, and what is kept of it in memory: its turn at writing, who listens, what is remembered
/// of its record. Nothing of one is ever another's.</summary>
/// <remarks>It ends by <see cref="Close"/> and is not disposable, as what is handed to a request must not end with the request.</remarks>
public sealed class OneHolding
{
    private readonly ConcurrentDictionary<Type, object> _own = [];
    private readonly List<IServiceScope> _made = [];
    private IReadOnlyList<IHostedService> _workers = [];
    private readonly Lock _one = new();
    private Task? _closing;
    private readonly IServiceProvider _server;
    private HoldingLease? _lease;

    /// <summary>One that is not opened yet.</summary>
    /// <param name="place">Where it lies.</param>
    /// <param name="server">Of the server.</param>
    public OneHolding(HoldingPlace place, IServiceProvider server)
    {
        (Place, _server) = (place, server);
        Scopes = new HoldingScopes(server.GetRequiredService<IServiceScopeFactory>(), this);
    }

    /// <summary>Where it lies.</summary>
    public HoldingPlace Place { get; }

    /// <summary>Scopes in which this holding is the one that is meant.</summary>
    public HoldingScopes Scopes { get; }

    /// <summary>What there is one of for each holding, made when it is first asked for.</summary>
    /// <typeparam name="T">What.</typeparam>
    /// <param name="make">Makes it; null where it is made of what its constructor asks for.</param>
    /// <remarks>One is made at a time, each by a scope of its own: a scope locks itself while it makes something, so that in one that they
    /// shared two that need each other's would wait for each other for ever.</remarks>
    public T Of<T>(Func<T>? make = null)
        where T : class
    {
        if (_own.TryGetValue(typeof(T), out var there))
        {
            return (T)there;
        }

        lock (_one)
        {
            return (T)_own.GetOrAdd(typeof(T), _ => make is null ? Make(typeof(T)) : make());
        }
    }

    private object Make(Type type, params object[] given)
    {
        var scope = Scopes.CreateScope();
        lock (_one)
        {
            _made.Add(scope);
        }

        return ActivatorUtilities.CreateInstance(scope.ServiceProvider, type, given);
    }

    /// <summary>Takes the file, makes it if it is not there, brings it up to date if it is old.</summary>
    /// <param name="now">The time.</param>
    /// <exception cref="OpeningException">It can't be had; the reason in words.</exception>
    public void Take(DateTimeOffset now) =>
        _lease = Opening.Take(_server.GetRequiredService<IConfiguration>(), Place.File, now);

    /// <summary>Begins what is done for it in the background.</summary>
    public async Task Work(CancellationToken stop)
    {
        Volatile.Write(ref _workers, [.. _server.GetServices<HoldingWorker>().Select(kind =>
            (IHostedService)Make(kind.Type, Scopes))]);
        foreach (var worker in _workers)
        {
            await worker.StartAsync(stop);
        }
    }

    /// <summary>Said when whoever listens at it has to go: it is being closed although somebody is there.</summary>
    public event Action? Ending;

    /// <summary>Sends those away that only listen.</summary>
    public void End() => Ending?.Invoke();

    /// <summary>Ends all that goes on for it, and lets go of its file. It is not opened again.</summary>
    public Task Close()
    {
        lock (_one)
        {
            return _closing ??= Finish();
        }
    }

    private async Task Finish()
    {
        await Task.WhenAll(Volatile.Read(ref _workers).Select(w => w.StopAsync(CancellationToken.None)));
        LetGo();
    }

    /// <summary>Lets go of its file and of what is remembered.</summary>
    public void LetGo()
    {
        foreach (var worker in Interlocked.Exchange(ref _workers, []).OfType<IDisposable>())
        {
            worker.Dispose();
        }

        lock (_one)
        {
            _made.ForEach(scope => scope.Dispose());
            _made.Clear();
            _own.Clear();
        }

        Ending = null;
        Interlocked.Exchange(ref _lease, null)?.Dispose();
    }
}

/// <summary>Scopes in which one holding is the one that is meant.</summary>
/// <param name="server">Of the server.</param>
/// <param name="holding">The holding.</param>
public sealed class HoldingScopes(IServiceScopeFactory server, OneHolding holding) : IServiceScopeFactory
{
    /// <inheritdoc/>
    public IServiceScope CreateScope()
    {
        var scope = server.CreateScope();
        scope.ServiceProvider.GetRequiredService<AtHolding>().Holding = holding;
        return scope;
    }
}

/// <summary>Which holding a request, or a piece of work, is at.</summary>
/// <param name="all">Those that are served.</param>
public sealed class AtHolding(OpenHoldings all)
{
    private OneHolding? _named;

    /// <summary>It: the only one, unless one was named.</summary>
    /// <exception cref="InvalidOperationException">Several are served, and none was named.</exception>
    public OneHolding Holding
    {
        get => _named ?? all.Only ?? throw new InvalidOperationException("No holding was named.");
        set => _named = value;
    }
}

/// <summary>Work that is done in the background for each holding that is open.</summary>
/// <param name="Type">What does it.</param>
public sealed record HoldingWorker(Type Type);

/// <summary>How it is said that there is one of something for each holding.</summary>
public static class EachHolding
{
    /// <summary>One for each holding.</summary>
    /// <param name="services">Of the server.</param>
    /// <param name="make">Makes it; null where it is made of what its constructor asks for.</param>
    public static IServiceCollection AddForEach<T>(this IServiceCollection services, Func<T>? make = null)
        where T : class => services.AddScoped(at => at.GetRequiredService<AtHolding>().Holding.Of(make));

    /// <summary>Done in the background for each holding that is open.</summary>
    public static IServiceCollection AddWorkerForEach<T>(this IServiceCollection services)
        where T : class, IHostedService => services.AddSingleton(new HoldingWorker(typeof(T)));

    /// <summary>What the above needs.</summary>
    public static IServiceCollection AddHoldings(this IServiceCollection services) => services.AddSingleton<OpenHoldings>()
        .AddHostedService<HoldingsService>().AddScoped<AtHolding>().AddScoped(at => at.GetRequiredService<AtHolding>().Holding)
        .AddScoped(at => at.GetRequiredService<OneHolding>().Place).AddScoped(at => at.GetRequiredService<OneHolding>().Scopes);
}
