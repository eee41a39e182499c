using Microsoft.EntityFrameworkCore;
using MudPie.Core.Brewing;
using MudPie.Core.Measures;
using MudPie.Core.Sharing;
using MudPie.Core.Workings;
using MudPie.Records;
using MudPie.Server.Brewing;
using MudPie.Server.Web;

namespace MudPie.Server.Shared;

/// <summary>A vessel that the others may use from now on.</summary>
/// <param name="VesselId">Among this holding's own.</param>
public sealed record OfferRequest(int VesselId);

/// <summary>A time for which it is to be booked.</summary>
/// <param name="From">When it is fetched.</param>
/// <param name="Until">When it is handed on.</param>
public sealed record BookRequest(DateTimeOffset? From, DateTimeOffset? Until);

/// <summary>It is handed over.</summary>
/// <param name="To">To whom, by the name at the box.</param>
/// <param name="Signed">Whoever hands it over writes their name.</param>
public sealed record GiveRequest(string? To, string? Signed);

/// <summary>It is received.</summary>
/// <param name="Clean">Whether it came clean.</param>
/// <param name="What">What was found where it did not.</param>
public sealed record ReceiveRequest(bool? Clean, string? What);

/// <summary>What the holdings of a box share: vessels, booked and handed over clean.</summary>
public static class SharedEndpoints
{
    private const int Most = 20;

    private const int LineDays = 21;

    /// <summary>What can be done.</summary>
    public static void MapShared(this IEndpointRouteBuilder api)
    {
        api.MapGet("/shared", Read).ForVisitor("Vessels that the holdings of the box share.");
        api.MapGet("/shared/vessels/{id:int}/card.json", Card).ForVisitor("A shared vessel’s card, as a file.");
        api.MapPost("/shared/vessels", (OfferRequest r, SharedDesk desk, SharedFile file, Writes writes) =>
            Do(file, writes, () => desk.Offer(r.VesselId)))
            .ForOwner("Lets the other holdings of the box use a vessel.");
        api.MapPost("/shared/vessels/{id:int}/end", (int id, SharedDesk desk, SharedFile file, Writes writes) =>
            Do(file, writes, () => desk.End(id)))
            .ForOwner("Shares a vessel no more.");
        api.MapPost("/shared/vessels/{id:int}/bookings", (int id, BookRequest r, SharedDesk desk, SharedFile file, Writes writes) =>
            Do(file, writes, () => desk.Book(id, r.From, r.Until))).ForHand("Books a shared vessel.");
        api.MapPost("/shared/bookings/{id:int}/off", (int id, SharedDesk desk, SharedFile file, Writes writes) =>
            Do(file, writes, () => desk.CallOff(id)))
            .ForHand("Calls a booking off.");
        api.MapPost("/shared/vessels/{id:int}/give", (int id, GiveRequest r, HandingDesk desk, SharedFile file, Writes writes) =>
            Do(file, writes, () => desk.Give(id, r.To, r.Signed))).ForHand("Hands a shared vessel over, clean.");
        api.MapPost("/shared/vessels/{id:int}/keep", (int id, HandingDesk desk, SharedFile file, Writes writes) =>
            Do(file, writes, () => desk.Keep(id)))
            .ForHand("It was not handed over after all.");
        api.MapPost("/shared/vessels/{id:int}/receive", (int id, ReceiveRequest r, HandingDesk desk, SharedFile file, Writes writes) =>
            Do(file, writes, () => desk.Receive(id, r.Clean, r.What))).ForHand("Receives a shared vessel, looked at.");
        api.MapPost("/shared/vessels/{id:int}/counts", (int id, ThroughRequest r, HandingDesk desk, SharedFile file, Writes writes) =>
            Do(file, writes, () => desk.Count(id, r.Before, r.After))).ForHand("Keeps a count before and after its pump.");
    }

    private static Task<Results<Written<Kept>, Refused, Clash>> Do(SharedFile file, Writes writes, Func<Task<Ruling<Kept>>> what) =>
        writes.Do(() => file.AtBox ? what() : Task.FromResult<Ruling<Kept>>(SharedFile.NoBox));

    private static async Task<Ok<SharedView>> Read(SharedDesk desk, HoldingDb db, HoldingClock clock, Whoever who, Held.HoldingPlace place)
    {
        if (!desk.AtBox)
        {
            return TypedResults.Ok(new SharedView(false, [], [], null, []));
        }

        var vessels = await desk.Vessels();
        var kit = await db.Vessels.AsNoTracking().OrderBy(v => v.Id).Select(v => new { v.Id, v.Name, v.SharedAs }).ToListAsync();
        var clean = (await Cleaning.All(db)).ToDictionary(c => c.VesselId);
        var (units, local) = (await clock.Units(), await clock.Local());
        var marks = vessels.Select(v => v.Mark).ToHashSet();
        return TypedResults.Ok(new SharedView(true, [.. vessels.Select(v =>
        {
            var mine = kit.FirstOrDefault(k => k.SharedAs == v.Mark);
            var stands = desk.Stands(v);
            var here = stands == Whereabouts.Here && mine is not null ? clean[mine.Id] : null;
            return new SharedVesselView(v.Id, CardOf(v), v.Holding == place.Name, stands, Where(v, stands, local),
                $"{Units.Show(v.TotalL, Dimension.Volume, units)}, {Units.Show(v.WorkingL, Dimension.Volume, units)} with room for foam",
                mine?.Id, here?.Says, here is { InUse: false } && (here.Clean || here.UsedAt is null),
                [.. v.Bookings.Where(b => b.Until > clock.Now).OrderBy(b => b.From).Select(b => new BookingView(b.Id, b.Called,
                    b.Holding == place.Name, b.From, b.Until, b.Holding == place.Name || v.Holding == place.Name))],
                stands == Whereabouts.Here ? desk.HandTo(v) : []);
        })], [.. kit.Where(k => k.SharedAs is not { } mark || !marks.Contains(mark)).Select(k => new OwnVesselView(k.Id, k.Name))],
            who.Name, await clock.DaysOn(LineDays)));
    }

    private static string Where(SharedVessel v, Whereabouts stands, Func<DateTimeOffset, DateTimeOffset> local)
    {
        var last = SharedDesk.Last(v);
        return stands switch {
            Whereabouts.Here => "It is here.",
            Whereabouts.Coming => $"{last!.FromCalled} handed it to you {Bookings.At(last.GivenAt, local)}: look at it, and say how it "
                + "came.",
            Whereabouts.Going => $"Handed to {last!.ToCalled} {Bookings.At(last.GivenAt, local)}; not received yet.",
            _ => last is null ? $"With {v.Called}, whose it is." : last.ReceivedAt is { } got
                ? $"With {last.ToCalled} since {Say.Day(local(got))}." : $"On its way from {last.FromCalled} to {last.ToCalled}.",
        };
    }

    private static VesselCard CardOf(SharedVessel v) => new(v.Name, v.Shape, v.TotalL, v.WorkingL, v.DepthM, v.Called,
        [.. v.Handings.Where(h => h.KeptAt is null).OrderByDescending(h => h.Id).Take(Most).Select(h => new CardHanding(h.FromCalled,
            h.ToCalled, h.GivenAt, h.GivenBy,
            [.. h.Steps.Select(s => new CardStep(CleanUp.Steps.FirstOrDefault(k => k.Id == s.Step).Name ?? s.Step, s.At))],
            h.ReceivedAt, h.ReceivedBy, h.FoundClean, h.FoundWhat))],
        [.. v.Counts.OrderByDescending(c => c.Id).Take(Most).Select(c => (Count: c, Whole: Microscope.CameThrough(c.Before, c.After)))
            .Where(c => c.Whole.Refused is null)
            .Select(c => new CardCount(c.Count.At, $"{c.Count.By}, {c.Count.Called}", c.Count.Before, c.Count.After, c.Whole.Worked))]);

    private static async Task<Results<FileContentHttpResult, Missing>> Card(int id, SharedDesk desk) =>
        desk.AtBox && (await desk.Vessels()).FirstOrDefault(v => v.Id == id) is { } v
            ? TypedResults.File(System.Text.Json.JsonSerializer.SerializeToUtf8Bytes(CardOf(v), Json.Options), "application/json",
                $"card-{id}.json")
            : Problems.NotFound("vessel");
}
