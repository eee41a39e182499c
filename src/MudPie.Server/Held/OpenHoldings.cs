using System.Text.RegularExpressions;
using MudPie.Records;

namespace MudPie.Server.Held;

/// <summary>Somebody is at a holding: it stays open until this is given back.</summary>
/// <param name="holding">The holding.</param>
/// <param name="leave">Gives it back.</param>
public sealed class Visit(OneHolding holding, Action leave) : IDisposable
{
    private int _left;

    /// <summary>The holding.</summary>
    public OneHolding Holding => holding;

    /// <inheritdoc/>
    public void Dispose()
    {
        if (Interlocked.Exchange(ref _left, 1) == 0)
        {
            leave();
        }
    }
}

/// <summary>Something that is done once a holding of a box has been opened, before anybody comes in.</summary>
public interface IArrival
{
    /// <summary>Does it.</summary>
    Task At(OneHolding holding);
}

/// <summary>How a holding of a box is kept.</summary>
public enum HeldAs
{
    /// <summary>Nobody was there for a while: it lies on the disk and costs nothing.</summary>
    Closed,

    /// <summary>Somebody is there, or something goes on in it.</summary>
    Open,

    /// <summary>Put away by whoever keeps the box: nobody comes in.</summary>
    Archived,
}

/// <summary>The holdings that are served: one, or those of a co-operative's box that somebody is at.</summary>
/// <remarks>At a box each is a file of one folder, by whose name it is asked for, as the first part of the host's. It is opened with the
/// first request and closed when nobody was there for ten minutes, or where more than a hundred are open.</remarks>
public sealed partial class OpenHoldings : IDisposable
{
    /// <summary>Past so many open ones those go first that nobody is at.</summary>
    public const int Most = 100;

    /// <summary>What ends the name of a holding's file.</summary>
    public const string End = ".mudpie";

    /// <summary>Names that are the box's own.</summary>
    private static readonly string[] Taken = ["people", "shared", "box", "www", "archived"];

    private static readonly TimeSpan Idle = TimeSpan.FromMinutes(10);
    private readonly Dictionary<string, Seat> _seats = new(StringComparer.Ordinal);
    private readonly HashSet<string> _shut = new(StringComparer.Ordinal);
    private readonly Lock _one = new();
    private readonly IServiceProvider _services;
    private readonly TimeProvider _time;

    /// <summary>Of a server that is not begun yet.</summary>
    /// <param name="settings">Of the server: <c>Holding:File</c>, or <c>Holding:Folder</c> for a box.</param>
    /// <param name="services">Of the server.</param>
    /// <param name="time">The clock.</param>
    public OpenHoldings(IConfiguration settings, IServiceProvider services, TimeProvider time)
    {
        (_services, _time) = (services, time);
        if (settings["Holding:Folder"] is { Length: > 0 } folder)
        {
            Folder = Path.GetFullPath(folder);
            Box = new OneHolding(new HoldingPlace("", PeopleFile, PeopleFile) { IsBox = true }, services);
        }
        else
        {
            var file = Path.GetFullPath(settings["Holding:File"] ?? "holding.mudpie");
            Only = new OneHolding(new HoldingPlace("", file, file), services);
        }
    }

    /// <summary>The one that is served; null at a box.</summary>
    public OneHolding? Only { get; }

    /// <summary>The box itself; null where one holding is served.</summary>
    public OneHolding? Box { get; }

    /// <summary>Whose door the server's own page stands at: the only holding, or the box.</summary>
    public OneHolding Door => Only ?? Box!;

    /// <summary>Where the holdings of a box lie.</summary>
    public string Folder { get; } = "";

    /// <summary>Where those lie that were put away.</summary>
    public string Archive => Path.Combine(Folder, "archived");

    private string PeopleFile => Path.Combine(Folder, "people" + End);

    /// <summary>How many are open.</summary>
    public int Open
    {
        get
        {
            lock (_one)
            {
                return _seats.Count;
            }
        }
    }

    /// <summary>Those that are open, but for one.</summary>
    /// <param name="name">That one.</param>
    public IReadOnlyList<OneHolding> Others(string name)
    {
        lock (_one)
        {
            return [.. _seats.Where(s => s.Key != name && s.Value.Closing is null).Select(s => s.Value.Holding)];
        }
    }

    private HoldingPlace PlaceOf(string name) => new(name, FileOf(name), PeopleFile);

    /// <summary>A holding of the box that is not there yet: whom it lets in can be said before.</summary>
    public OneHolding ToBe(string name) => new(PlaceOf(name), _services);

    /// <summary>The file of a holding of the box.</summary>
    public string FileOf(string name) => Path.Combine(Folder, name + End);

    /// <summary>Whether a holding can be called that: small letters, figures and hyphens, up to 40, and none of the box's own.</summary>
    public static bool CanBeCalled(string name) => HoldingName().IsMatch(name) && !Taken.Contains(name);

    [GeneratedRegex("^[a-z0-9](-?[a-z0-9]){0,39}$", RegexOptions.NonBacktracking)]
    private static partial Regex HoldingName();

    /// <summary>Those that can be asked for, by their names.</summary>
    public IReadOnlyList<string> Names() => [.. Directory.EnumerateFiles(Folder, "*" + End).Select(f => Path.GetFileName(f)[..^End.Length])
        .Where(CanBeCalled).Order(StringComparer.Ordinal)];

    /// <summary>Those that were put away.</summary>
    public IReadOnlyList<string> Archived() => Directory.Exists(Archive) ? [.. Directory.EnumerateFiles(Archive, "*" + End)
        .Select(f => Path.GetFileName(f)[..^End.Length]).Where(CanBeCalled).Order(StringComparer.Ordinal)] : [];

    /// <summary>Since when nobody is there, and whether it is open.</summary>
    /// <param name="name">Which.</param>
    public (bool IsOpen, DateTimeOffset? Used) Stands(string name)
    {
        lock (_one)
        {
            return _seats.TryGetValue(name, out var seat) ? (true, seat.Here > 0 ? _time.GetUtcNow() : seat.Used) : (false, null);
        }
    }

    /// <summary>Comes to a holding of the box; opens it where it is closed.</summary>
    /// <param name="name">Which.</param>
    /// <returns>To be given back; null where there is none of that name.</returns>
    /// <exception cref="OpeningException">It can't be opened; the reason in words.</exception>
    public async Task<Visit?> Enter(string name)
    {
        while (true)
        {
            Seat? seat;
            Task? closing;
            var fresh = false;
            lock (_one)
            {
                if (_shut.Contains(name))
                {
                    return null;
                }

                if (!_seats.TryGetValue(name, out seat))
                {
                    if (!CanBeCalled(name) || !File.Exists(FileOf(name)))
                    {
                        return null;
                    }

                    var holding = new OneHolding(PlaceOf(name), _services);
                    seat = _seats[name] = new Seat(holding, Task.Run(() => Begin(holding)));
                    fresh = true;
                }

                closing = seat.Closing;
                seat.Here += closing is null ? 1 : 0;
            }

            if (closing is not null)
            {
                await closing;
                continue;
            }

            try
            {
                await seat.Opened;
            }
            catch
            {
                lock (_one)
                {
                    seat.Here--;
                    if (_seats.TryGetValue(name, out var same) && same == seat)
                    {
                        _seats.Remove(name); // tried again with the next request
                    }
                }

                throw;
            }

            if (fresh)
            {
                _ = Task.Run(MakeRoom);
            }

            return new Visit(seat.Holding, () => Leave(seat));
        }
    }

    private async Task Begin(OneHolding holding)
    {
        try
        {
            holding.Take(_time.GetUtcNow());
            foreach (var arrived in _services.GetServices<IArrival>())
            {
                await arrived.At(holding);
            }

            await holding.Work(CancellationToken.None);
        }
        catch
        {
            holding.LetGo();
            throw;
        }
    }

    private void Leave(Seat seat)
    {
        lock (_one)
        {
            (seat.Here, seat.Used) = (seat.Here - 1, _time.GetUtcNow());
        }
    }

    private Task MakeRoom()
    {
        List<string> over;
        lock (_one)
        {
            over = _seats.Count <= Most ? [] : [.. _seats.Where(s => s.Value is { Here: 0, Closing: null }).OrderBy(s => s.Value.Used)
                .Take(_seats.Count - Most).Select(s => s.Key)];
        }

        return Task.WhenAll(over.Select(Close));
    }

    /// <summary>Closes those that nobody was at for ten minutes and in which nothing goes on.</summary>
    /// <returns>How many.</returns>
    public async Task<int> CloseIdle()
    {
        List<(string Name, OneHolding Holding)> idle;
        lock (_one)
        {
            var since = _time.GetUtcNow() - Idle;
            idle = [.. _seats
                .Where(s => s.Value is { Here: 0, Closing: null, Opened.IsCompletedSuccessfully: true } && s.Value.Used < since)
                .Select(s => (s.Key, s.Value.Holding))];
        }

        var closed = 0;
        foreach (var (name, holding) in idle)
        {
            closed += !HoldingGlance.GoesOn(holding.Place.File) && await Close(name) ? 1 : 0;
        }

        return closed;
    }

    /// <summary>Closes one that nobody is at.</summary>
    /// <returns>False where it was not open, or somebody is there.</returns>
    public Task<bool> Close(string name)
    {
        lock (_one)
        {
            if (!_seats.TryGetValue(name, out var seat) || seat is not { Here: 0, Closing: null, Opened.IsCompleted: true })
            {
                return Task.FromResult(false);
            }

            return (Task<bool>)(seat.Closing = Task.Run(() => Finish(name, seat)));
        }
    }

    private async Task<bool> Finish(string name, Seat seat)
    {
        try
        {
            await seat.Holding.Close();
        }
        finally
        {
            lock (_one)
            {
                _seats.Remove(name);
            }
        }

        return true;
    }

    /// <summary>Lets nobody in to a holding any more, waits until those who are there have gone, closes it and does something with its
    /// file; then lets people in again, if it is still there.</summary>
    /// <param name="name">Which.</param>
    /// <param name="what">Done while nobody has it open.</param>
    /// <param name="patience">How long those who are there are waited for.</param>
    /// <returns>False where somebody did not go in time; nothing was done then.</returns>
    public async Task<bool> WhileShut(string name, Func<OneHolding, Task> what, TimeSpan patience)
    {
        OneHolding? holding;
        lock (_one)
        {
            if (!_shut.Add(name))
            {
                return false;
            }

            holding = _seats.GetValueOrDefault(name)?.Holding;
        }

        try
        {
            holding?.End();
            using var wait = new CancellationTokenSource(patience);
            while (Stands(name).IsOpen && !await Close(name))
            {
                if (wait.IsCancellationRequested)
                {
                    return false;
                }

                await Task.Delay(50, CancellationToken.None);
            }

            using (HoldingLease.Take(FileOf(name)))
            {
                await what(ToBe(name));
            }

            return true;
        }
        finally
        {
            lock (_one)
            {
                _shut.Remove(name);
            }
        }
    }

    /// <summary>Ends all, with the server.</summary>
    internal async Task CloseAll()
    {
        List<OneHolding> all;
        lock (_one)
        {
            all = [.. _seats.Values.Select(s => s.Holding), Door];
            _seats.Clear();
        }

        await Task.WhenAll(all.Select(h => h.Close()));
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        Door.LetGo();
        foreach (var seat in _seats.Values)
        {
            seat.Holding.LetGo();
        }
    }

    private sealed class Seat(OneHolding holding, Task opened)
    {
        public OneHolding Holding => holding;

        public Task Opened => opened;

        public Task? Closing { get; set; }

        public int Here { get; set; }

        public DateTimeOffset Used { get; set; }
    }
}

/// <summary>Begins what is done in the background, and ends it with the server.</summary>
/// <param name="all">Those that are served.</param>
internal sealed class HoldingsService(OpenHoldings all) : IHostedService
{
    public Task StartAsync(CancellationToken cancellationToken) => all.Only?.Work(cancellationToken) ?? Task.CompletedTask;

    public Task StopAsync(CancellationToken cancellationToken) => all.CloseAll();
}
