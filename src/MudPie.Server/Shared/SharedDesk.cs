using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Caching.Memory;
using MudPie.Core.Brewing;
using MudPie.Core.Sharing;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Ground;
using MudPie.Server.Brewing;
using MudPie.Server.Held;
using MudPie.Server.Web;

namespace MudPie.Server.Shared;

/// <summary>What a holding does with what is shared at its box.</summary>
/// <remarks>Two files are written, one after the other: what is shared first, under the key of the write, then the holding's own record.
/// Where the second fails and the write is sent again, the first is found by its key and not done again.</remarks>
public sealed class SharedDesk(SharedDb shared, HoldingDb db, HoldingPlace place, HoldingClock clock, Whoever who, OpenHoldings all,
    IHttpContextAccessor accessor)
{
    /// <summary>There is nobody to share with.</summary>
    public static Refusal NoBox { get; } = Refusal.Of("box", "This holding is served by itself.",
        "A vessel is shared between the holdings of a co-operative’s box.");

    private static readonly Refusal Gone = Refusal.Of("id", "It is not shared any more.", "Load the page again.");

    private static readonly Refusal NotHere = Refusal.Of("vessel", "It is not here.", "Whoever has it does that.");

    /// <summary>True at a holding of a box.</summary>
    public bool AtBox => place.OfBox;

    private string Key => $"{place.Name}:{accessor.HttpContext!.Request.Headers[Writes.Header]}";

    private string By => who.Name ?? "somebody";

    /// <summary>Vessels that are shared, whose holdings are there.</summary>
    public async Task<List<SharedVessel>> Vessels() => [.. (await shared.Vessels.AsNoTracking().Where(v => v.EndedAt == null)
        .Include(v => v.Bookings.Where(b => b.OffAt == null)).Include(v => v.Handings).Include(v => v.Counts).AsSplitQuery()
        .OrderBy(v => v.Id).Take(200).ToListAsync()).Where(v => File.Exists(all.FileOf(v.Holding)))];

    /// <summary>Lets the others use a vessel.</summary>
    public async Task<Ruling<Kept>> Offer(int vesselId)
    {
        if (await db.Vessels.FindAsync(vesselId) is not { } own)
        {
            return Refusal.Of("vesselId", "There is no such vessel.", "Choose one of your own.");
        }

        if (own.HandedTo is { } who)
        {
            return Refusal.Of("vesselId", $"It is with {who}.", "Share what is here.");
        }

        if (own.SharedAs is { } mark && await shared.Vessels.AnyAsync(v => v.Mark == mark && v.EndedAt == null && v.Key != Key))
        {
            return Refusal.Of("vesselId", "It is shared already.", "Choose another.");
        }

        var called = await Called();
        var offered = await InTurn(async () => await shared.Vessels.FirstOrDefaultAsync(v => v.Key == Key)
            ?? shared.Add(new SharedVessel {
                Holding = place.Name, Called = called, Name = own.Name, Shape = own.Shape, TotalL = own.TotalL, WorkingL = own.WorkingL,
                DepthM = own.DepthM, Air = own.Air, OfferedBy = By, OfferedAt = clock.Now, Key = Key
            }).Entity);
        own.SharedAs = offered.Mark;
        return Writes.Done(new Kept(offered.Id));
    }

    /// <summary>Shares a vessel no more.</summary>
    public async Task<Ruling<Kept>> End(int id)
    {
        var ended = await InTurn<Guid>(async () =>
        {
            if (await Find(id) is not { } v || v.Holding != place.Name)
            {
                return Gone;
            }

            if (Last(v) is { } last && (last.To != place.Name || last.ReceivedAt is null))
            {
                return Refusal.Of("id", "It is not here.", "Have it handed back first.");
            }

            if (v.Bookings.FirstOrDefault(b => b.Holding != place.Name && Ahead(b)) is { } booked)
            {
                return Refusal.Of("id", $"{booked.Called} has it booked.", "Call that off first: they then see who did.");
            }

            v.EndedAt = clock.Now;
            return Writes.Done(v.Mark);
        });
        if (ended.Refused is { } refused)
        {
            return refused;
        }

        (await db.Vessels.FirstOrDefaultAsync(v => v.SharedAs == ended.Value))?.SharedAs = null;
        return Writes.Done(new Kept(id));
    }

    /// <summary>Books a time.</summary>
    public async Task<Ruling<Kept>> Book(int id, DateTimeOffset? from, DateTimeOffset? until)
    {
        var (called, local) = (await Called(), await clock.Local());
        return await InTurn<Kept>(async () =>
        {
            if (await Find(id) is not { } v)
            {
                return Gone;
            }

            if (v.Bookings.FirstOrDefault(b => b.Key == Key) is { } before)
            {
                return Writes.Done(new Kept(before.Id));
            }

            var ruling = Bookings.Book(place.Name, called, from, until, [.. v.Bookings.Where(b => b.OffAt is null).Select(Booked)],
                clock.Now, local);
            if (ruling.Refused is { } refused)
            {
                return refused;
            }

            var booking = new Booking {
                Holding = place.Name, Called = called, From = ruling.Value.From, Until = ruling.Value.Until, By = By, MadeAt = clock.Now,
                Key = Key
            };
            v.Bookings.Add(booking);
            await shared.SaveChangesAsync();
            return Writes.Done(new Kept(booking.Id));
        });
    }

    /// <summary>Calls a booking off.</summary>
    public Task<Ruling<Kept>> CallOff(int booking) => InTurn<Kept>(async () =>
    {
        var found = await shared.Bookings.FindAsync(booking);
        if (found is null || await Find(found.SharedVesselId) is not { } v || (found.Holding != place.Name && v.Holding != place.Name))
        {
            return Refusal.Of("id", "There is no such booking.", "Load the page again.");
        }

        if (found.OffAt is null)
        {
            (found.OffAt, found.OffBy) = (clock.Now, $"{By}, {place.Name}");
        }

        return Writes.Done(new Kept(booking));
    });

    /// <summary>Hands it over, empty and clean.</summary>
    public async Task<Ruling<Kept>> Give(int id, string? to, string? signed)
    {
        var (own, kept) = await Own(id);
        if (own is null)
        {
            return await Find(id) is null ? Gone : NotHere;
        }

        var clean = HandingOver.Give(kept, signed);
        var called = await Called();
        var given = await InTurn<Handing>(async () =>
        {
            if (await Find(id) is not { } v)
            {
                return Gone;
            }

            if (v.Handings.FirstOrDefault(h => h.Key == Key) is { } before)
            {
                return Writes.Done(before);
            }

            if (Has(v) != place.Name)
            {
                return NotHere;
            }

            var next = HandTo(v).FirstOrDefault(h => h.Holding == to);
            if (next is null || clean.Refused is not null)
            {
                var checks = clean.Refused is { } refused ? new Checks().Add(refused) : new Checks();
                return (next is null ? checks.Add("to", "It is not theirs, and they have not booked it.",
                    "Hand it to whoever booked it, or home.") : checks).Refusal;
            }

            var handing = new Handing {
                From = place.Name, FromCalled = called, To = next.Holding, ToCalled = next.Called, GivenAt = clock.Now,
                GivenBy = signed!.Trim(), Steps = clean.Value, Key = Key
            };
            v.Handings.Add(handing);
            await shared.SaveChangesAsync();
            return Writes.Done(handing);
        });
        if (given.Refused is { } refusal)
        {
            return refusal;
        }

        own.HandedTo = given.Value.ToCalled;
        return Writes.Done(new Kept(given.Value.Id));
    }

    /// <summary>It did not go after all.</summary>
    public async Task<Ruling<Kept>> Keep(int id)
    {
        var kept = await InTurn<Kept>(async () =>
        {
            if (await Find(id) is not { } v)
            {
                return Gone;
            }

            if (v.Handings.MaxBy(h => h.Id) is not { ReceivedAt: null } last || last.From != place.Name)
            {
                return Refusal.Of("id", "It is not on its way from here.", "Load the page again.");
            }

            last.KeptAt ??= clock.Now;
            return Writes.Done(new Kept(id));
        });
        if (kept.Refused is null && (await Own(id)).Vessel is { } own)
        {
            own.HandedTo = null;
        }

        return kept;
    }

    /// <summary>Receives it, looked at; its card goes into the holding's own kit.</summary>
    public async Task<Ruling<Kept>> Receive(int id, bool? clean, string? what)
    {
        var found = HandingOver.Receive(clean, what);
        if (found.Refused is { } refused)
        {
            return refused;
        }

        var known = (await Own(id)).Vessel;
        var got = await InTurn<SharedVessel>(async () =>
        {
            if (await Find(id) is not { } v)
            {
                return Gone;
            }

            if (Last(v) is not { } last || last.To != place.Name)
            {
                return Refusal.Of("id", "It was not handed to you.", "Whoever has it hands it over first.");
            }

            if (last.ReceivedAt is not null && known is { HandedTo: null })
            {
                return Refusal.Of("id", "It was received already.", "What was found stands on its card.");
            }

            if (last.ReceivedAt is null)
            {
                (last.ReceivedAt, last.ReceivedBy, last.FoundClean, last.FoundWhat) = (clock.Now, By, found.Value.Clean, found.Value.What);
            }

            return Writes.Done(v);
        });
        if (got.Refused is { } refusal)
        {
            return refusal;
        }

        var (own, here) = (await IntoKit(got.Value), Last(got.Value)!);
        own.HandedTo = null;
        own.CameUncleanAt = here.FoundClean is false ? here.ReceivedAt : own.CameUncleanAt;
        await db.SaveChangesAsync();
        return Writes.Done(new Kept(own.Id));
    }

    private async Task<Vessel> IntoKit(SharedVessel v)
    {
        if (await db.Vessels.FirstOrDefaultAsync(x => x.SharedAs == v.Mark) is { } known)
        {
            return known;
        }

        var names = (await db.Vessels.Select(x => x.Name).ToListAsync()).ToHashSet(StringComparer.OrdinalIgnoreCase);
        var name = new[] { v.Name, $"{v.Name}, {v.Called}" }.Concat(Enumerable.Range(2, 200).Select(n => $"{v.Name}, {v.Called} {n}"))
            .First(n => !names.Contains(n));
        var own = new Vessel {
            Name = name, Shape = v.Shape, TotalL = v.TotalL, WorkingL = v.WorkingL, DepthM = v.DepthM, Air = v.Air, SharedAs = v.Mark
        };
        db.Vessels.Add(own);
        return own;
    }

    /// <summary>Keeps a count before and after its pump.</summary>
    public async Task<Ruling<Kept>> Count(int id, IReadOnlyList<double>? before, IReadOnlyList<double>? after)
    {
        var whole = Microscope.CameThrough(before, after);
        if (whole.Refused is { } refused)
        {
            return refused;
        }

        var called = await Called();
        return await InTurn<Kept>(async () =>
        {
            if (await Find(id) is not { } v)
            {
                return Gone;
            }

            if (Has(v) != place.Name)
            {
                return NotHere;
            }

            if (v.Counts.FirstOrDefault(c => c.Key == Key) is { } twice)
            {
                return Writes.Done(new Kept(twice.Id));
            }

            var count = new PumpCount { Called = called, By = By, At = clock.Now, Before = before!, After = after!, Key = Key };
            v.Counts.Add(count);
            await shared.SaveChangesAsync();
            return Writes.Done(new Kept(count.Id));
        });
    }

    /// <summary>Nothing of a holding that is gone is a new one's that bears its name.</summary>
    /// <param name="name">At the box.</param>
    public Task Forget(string name) => InTurn(async () =>
    {
        await shared.Vessels.Where(v => v.Holding == name && v.EndedAt == null)
            .ExecuteUpdateAsync(set => set.SetProperty(v => v.EndedAt, clock.Now));
        return await shared.Bookings.Where(b => b.Holding == name && b.OffAt == null)
            .ExecuteUpdateAsync(set => set.SetProperty(b => b.OffAt, clock.Now));
    });

    /// <summary>The last time it went somewhere; null where it never did.</summary>
    public static Handing? Last(SharedVessel v) => v.Handings.Where(h => h.KeptAt is null).MaxBy(h => h.Id);

    /// <summary>Who has it: null while it is on its way.</summary>
    public static string? Has(SharedVessel v) => Last(v) is not { } last ? v.Holding : last.ReceivedAt is null ? null : last.To;

    /// <summary>To whom this holding can hand it, whose turn it is first.</summary>
    public List<HandToView> HandTo(SharedVessel v)
    {
        var ahead = v.Bookings.Where(b => b.OffAt is null && b.Holding != place.Name && Ahead(b)).OrderBy(b => b.From)
            .DistinctBy(b => b.Holding).Select(b => new HandToView(b.Holding, b.Called, b.From)).ToList();
        return v.Holding == place.Name || ahead.Any(h => h.Holding == v.Holding) ? ahead
            : [.. ahead, new HandToView(v.Holding, v.Called, null)];
    }

    /// <summary>It among this holding's vessels, and as it is kept.</summary>
    public async Task<(Vessel? Vessel, VesselAsKept Kept)> Own(int id)
    {
        var mark = await shared.Vessels.Where(v => v.Id == id).Select(v => (Guid?)v.Mark).FirstOrDefaultAsync();
        var own = mark is null ? null : await db.Vessels.FirstOrDefaultAsync(v => v.SharedAs == mark);
        if (own is null)
        {
            return (null, new VesselAsKept(null, false, []));
        }

        var clean = (await Cleaning.All(db)).First(c => c.VesselId == own.Id);
        return (own, new VesselAsKept(clean.UsedAt, clean.InUse,
            [.. clean.Steps.Where(s => s.DoneAt is not null).Select(s => new CleanedStep(s.Id, s.DoneAt!.Value))]));
    }

    internal static Booked Booked(Booking b) => new(b.Id, b.Holding, b.Called, b.From, b.Until);

    private bool Ahead(Booking b) => b.OffAt is null && b.Until > clock.Now;

    private async Task<string> Called() => (await clock.Find())?.Name ?? place.Name;

    private Task<SharedVessel?> Find(int id) => shared.Vessels.Where(v => v.Id == id && v.EndedAt == null).Include(v => v.Bookings)
        .Include(v => v.Handings).Include(v => v.Counts).AsSplitQuery().FirstOrDefaultAsync();

    private async Task<Ruling<T>> InTurn<T>(Func<Task<Ruling<T>>> work)
    {
        using var turn = await all.Box!.Of<WriteTurns>().Take(CancellationToken.None);
        await shared.Database.OpenConnectionAsync();
        await using var held = ((SqliteConnection)shared.Database.GetDbConnection()).BeginTransaction(deferred: false);
        await using var transaction = await shared.Database.UseTransactionAsync(held);
        shared.ChangeTracker.Clear();
        var ruling = await work();
        if (ruling.Refused is null)
        {
            await shared.SaveChangesAsync();
            await held.CommitAsync();
            all.Others(place.Name).ToList().ForEach(TellOf);
        }

        return ruling;
    }

    /// <summary>What another holding remembers of its own is no longer all there is, and its pages read again.</summary>
    private static void TellOf(OneHolding other)
    {
        using var scope = other.Scopes.CreateScope();
        WriteCount.Add(scope.ServiceProvider.GetRequiredService<IMemoryCache>());
        scope.ServiceProvider.GetRequiredService<LiveFeed>().Tell("/api/shared");
    }

    private async Task<T> InTurn<T>(Func<Task<T>> work) => (await InTurn<T>(async () => Writes.Done(await work()))).Value;
}
