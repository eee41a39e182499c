using Microsoft.EntityFrameworkCore;
using MudPie.Core.Sharing;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Records.Ground;
using MudPie.Server.Web;

namespace MudPie.Server.Shared;

/// <summary>Vessels that a holding shares, and their bookings.</summary>
public sealed class SharedDesk(SharedDb shared, SharedFile file, HoldingDb db, HoldingClock clock) : IVesselCard
{
    internal static readonly Refusal Gone = Refusal.Of("id", "It is not shared any more.", "Load the page again.");

    /// <summary>True at a holding of a box.</summary>
    public bool AtBox => file.AtBox;

    /// <summary>Vessels that are shared, whose holdings are there.</summary>
    public async Task<List<SharedVessel>> Vessels() => [.. (await shared.Vessels.AsNoTracking().Where(v => v.EndedAt == null)
        .Include(v => v.Bookings.Where(b => b.OffAt == null)).Include(v => v.Handings).Include(v => v.Counts).AsSplitQuery()
        .OrderBy(v => v.Id).Take(200).ToListAsync()).Where(v => file.Has(v.Holding))];

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

        if (own.SharedAs is { } mark && await shared.Vessels.AnyAsync(v => v.Mark == mark && v.EndedAt == null && v.Key != file.Key))
        {
            return Refusal.Of("vesselId", "It is shared already.", "Choose another.");
        }

        var called = await file.Called();
        var offered = await file.InTurn(async () => await shared.Vessels.FirstOrDefaultAsync(v => v.Key == file.Key)
            ?? shared.Add(new SharedVessel {
                Holding = file.Here, Called = called, Name = own.Name, Shape = own.Shape, TotalL = own.TotalL, WorkingL = own.WorkingL,
                DepthM = own.DepthM, Air = own.Air, OfferedBy = file.By, OfferedAt = clock.Now, Key = file.Key
            }).Entity);
        own.SharedAs = offered.Mark;
        return Writes.Done(new Kept(offered.Id));
    }

    /// <inheritdoc/>
    public async Task<Refusal?> Follow(Vessel own, string field)
    {
        if (!AtBox || own.SharedAs is not { } mark
            || await shared.Vessels.AsNoTracking().FirstOrDefaultAsync(v => v.Mark == mark && v.EndedAt == null) is not { } known)
        {
            return null;
        }

        var followed = await file.InTurn<Kept>(async () =>
        {
            if (await Find(known.Id) is not { } v)
            {
                return Writes.Done(new Kept(known.Id)); // shared no more since
            }

            if (v.Holding != file.Here)
            {
                return Refusal.Of(field, $"It is {v.Called}’s.", "They change what stands on its card; it is yours to brew in.");
            }

            if (Stands(v) != Whereabouts.Here)
            {
                return Refusal.Of(field, $"It is with {own.HandedTo ?? "others"}, who brew by what its card says.",
                    "Change it when it is back.");
            }

            (v.Name, v.Shape, v.TotalL, v.WorkingL, v.DepthM, v.Air) =
                (own.Name, own.Shape, own.TotalL, own.WorkingL, own.DepthM, own.Air);
            return Writes.Done(new Kept(v.Id));
        });
        return followed.Refused;
    }

    /// <summary>Shares a vessel no more.</summary>
    public async Task<Ruling<Kept>> End(int id)
    {
        var ended = await file.InTurn<Guid>(async () =>
        {
            if (await Find(id) is not { } v || v.Holding != file.Here)
            {
                return Gone;
            }

            if (Stands(v) != Whereabouts.Here)
            {
                return Refusal.Of("id", "It is not here.", "Have it handed back first.");
            }

            if (v.Bookings.FirstOrDefault(b => b.Holding != file.Here && Ahead(b)) is { } booked)
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
        var (called, local) = (await file.Called(), await clock.Local());
        return await file.InTurn<Kept>(async () =>
        {
            if (await Find(id) is not { } v)
            {
                return Gone;
            }

            if (v.Bookings.FirstOrDefault(b => b.Key == file.Key) is { } before)
            {
                return Writes.Done(new Kept(before.Id));
            }

            var ruling = Bookings.Book(file.Here, called, from, until, [.. v.Bookings.Where(b => b.OffAt is null).Select(Booked)],
                clock.Now, local);
            if (ruling.Refused is { } refused)
            {
                return refused;
            }

            var booking = new Booking {
                Holding = file.Here, Called = called, From = ruling.Value.From, Until = ruling.Value.Until, By = file.By,
                MadeAt = clock.Now,
                Key = file.Key
            };
            v.Bookings.Add(booking);
            await shared.SaveChangesAsync();
            return Writes.Done(new Kept(booking.Id));
        });
    }

    /// <summary>Calls a booking off.</summary>
    public Task<Ruling<Kept>> CallOff(int booking) => file.InTurn<Kept>(async () =>
    {
        var found = await shared.Bookings.FindAsync(booking);
        if (found is null || await Find(found.SharedVesselId) is not { } v || (found.Holding != file.Here && v.Holding != file.Here))
        {
            return Refusal.Of("id", "There is no such booking.", "Load the page again.");
        }

        if (found.OffAt is null)
        {
            (found.OffAt, found.OffBy) = (clock.Now, $"{file.By}, {file.Here}");
        }

        return Writes.Done(new Kept(booking));
    });

    /// <summary>Nothing of a holding that is gone is a new one's that bears its name.</summary>
    /// <param name="name">At the box.</param>
    public Task Forget(string name) => file.InTurn(async () =>
    {
        await shared.Vessels.Where(v => v.Holding == name && v.EndedAt == null)
            .ExecuteUpdateAsync(set => set.SetProperty(v => v.EndedAt, clock.Now));
        await shared.Protocols.Where(p => p.Holding == name && p.EndedAt == null)
            .ExecuteUpdateAsync(set => set.SetProperty(p => p.EndedAt, clock.Now));
        await shared.Results.Where(r => r.Holding == name && r.EndedAt == null)
            .ExecuteUpdateAsync(set => set.SetProperty(r => r.EndedAt, clock.Now));
        return await shared.Bookings.Where(b => b.Holding == name && b.OffAt == null)
            .ExecuteUpdateAsync(set => set.SetProperty(b => b.OffAt, clock.Now));
    });

    /// <summary>The last time it went somewhere; null where it never did.</summary>
    public static Handing? Last(SharedVessel v) => v.Handings.Where(h => h.KeptAt is null).MaxBy(h => h.Id);

    /// <summary>Where it is, seen from here.</summary>
    public Whereabouts Stands(SharedVessel v) => VesselPlace.Of(v.Holding, Went(v), file.Here);

    /// <summary>To whom this holding can hand it, whose turn it is first.</summary>
    public IReadOnlyList<HandTo> HandTo(SharedVessel v) => VesselPlace.Next(v.Holding, v.Called, file.Here,
        v.Bookings.Where(b => b.OffAt is null).Select(Booked), clock.Now);

    internal static Booked Booked(Booking b) => new(b.Id, b.Holding, b.Called, b.From, b.Until);

    private bool Ahead(Booking b) => b.OffAt is null && b.Until > clock.Now;

    private static Went? Went(SharedVessel v) => Last(v) is { } last ? new(last.From, last.To, last.ReceivedAt is not null) : null;

    /// <summary>One that is shared, with all that hangs on it.</summary>
    internal Task<SharedVessel?> Find(int id) => shared.Vessels.Where(v => v.Id == id && v.EndedAt == null).Include(v => v.Bookings)
        .Include(v => v.Handings).Include(v => v.Counts).AsSplitQuery().FirstOrDefaultAsync();
}
