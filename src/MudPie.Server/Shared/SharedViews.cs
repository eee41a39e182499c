using MudPie.Core.Brewing;
using MudPie.Core.Sharing;
using MudPie.Core.Workings;

namespace MudPie.Server.Shared;

/// <summary>A time for which it is booked.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Called">Who booked it.</param>
/// <param name="Ours">This holding did.</param>
/// <param name="From">The first moment of it.</param>
/// <param name="Until">The first moment after it.</param>
/// <param name="CanCallOff">This holding may call it off: its own, or one of its own vessel.</param>
public sealed record BookingView(int Id, string Called, bool Ours, DateTimeOffset From, DateTimeOffset Until, bool CanCallOff);

/// <summary>A step on the card.</summary>
/// <param name="Name">What was cleaned.</param>
/// <param name="At">When.</param>
public sealed record CardStep(string Name, DateTimeOffset At);

/// <summary>A handing over, as it stands on the card.</summary>
/// <param name="From">Who gave it.</param>
/// <param name="To">Who got it.</param>
/// <param name="GivenAt">When it was given.</param>
/// <param name="Signed">As it was signed.</param>
/// <param name="Steps">What was cleaned before.</param>
/// <param name="ReceivedAt">When it was received; null while it is on its way.</param>
/// <param name="ReceivedBy">By whom.</param>
/// <param name="FoundClean">How it came.</param>
/// <param name="FoundWhat">What was found.</param>
public sealed record CardHanding(string From, string To, DateTimeOffset GivenAt, string Signed, IReadOnlyList<CardStep> Steps,
    DateTimeOffset? ReceivedAt, string? ReceivedBy, bool? FoundClean, string? FoundWhat);

/// <summary>A count before and after the pump, as it stands on the card.</summary>
/// <param name="At">When.</param>
/// <param name="By">Who counted, and of which holding.</param>
/// <param name="Before">Whole organisms, field by field.</param>
/// <param name="After">The same, after it.</param>
/// <param name="Whole">What came through whole, 0 to 1 with its interval, which ends at 1.</param>
public sealed record CardCount(DateTimeOffset At, string By, IReadOnlyList<double> Before, IReadOnlyList<double> After,
    Worked<WholeAnswer> Whole);

/// <summary>A vessel's card: it travels with the vessel.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Shape">"bucket", "barrel" or "tank".</param>
/// <param name="TotalL">To the brim, L.</param>
/// <param name="WorkingL">With room for foam, L.</param>
/// <param name="DepthM">Outlet under water, m.</param>
/// <param name="Whose">Whose it is.</param>
/// <param name="Handings">Newest first, at most 20.</param>
/// <param name="Counts">Newest first, at most 20.</param>
public sealed record VesselCard(string Name, string Shape, double TotalL, double WorkingL, double DepthM, string Whose,
    IReadOnlyList<CardHanding> Handings, IReadOnlyList<CardCount> Counts);

/// <summary>A shared vessel, as one holding sees it.</summary>
/// <param name="Id">Its number at the box.</param>
/// <param name="Card">Its card.</param>
/// <param name="Ours">This holding's own.</param>
/// <param name="Stands">Where it is.</param>
/// <param name="Where">The same in words.</param>
/// <param name="Size">What it holds, in words.</param>
/// <param name="KitId">It among this holding's own vessels; null where it never was here.</param>
/// <param name="Clean">How clean it is, in words, where it is here; else null.</param>
/// <param name="CanGo">It is here, empty and logged clean.</param>
/// <param name="Bookings">Those that are not over, by their time.</param>
/// <param name="HandTo">To whom it can be handed now, whose turn it is first.</param>
public sealed record SharedVesselView(int Id, VesselCard Card, bool Ours, Whereabouts Stands, string Where, string Size, int? KitId,
    string? Clean, bool CanGo, IReadOnlyList<BookingView> Bookings, IReadOnlyList<HandTo> HandTo);

/// <summary>A vessel of one's own that could be shared.</summary>
/// <param name="Id">Among the holding's vessels.</param>
/// <param name="Name">What it is called.</param>
public sealed record OwnVesselView(int Id, string Name);

/// <summary>What is shared at a box.</summary>
/// <param name="AtBox">False where one holding is served by itself: there is nobody to share with.</param>
/// <param name="Vessels">What the holdings let each other use.</param>
/// <param name="Own">Vessels of this holding that are not shared.</param>
/// <param name="Name">Who signs.</param>
/// <param name="Days">The first moments of three weeks' days and of the day after them, in this holding's own zone, from today.</param>
public sealed record SharedView(bool AtBox, IReadOnlyList<SharedVesselView> Vessels, IReadOnlyList<OwnVesselView> Own, string? Name,
    IReadOnlyList<DateTimeOffset> Days);
