using MudPie.Core.Book;
using MudPie.Core.Looking;

namespace MudPie.Server.Looking;

/// <summary>Something done to the ground, as typed.</summary>
/// <param name="BedIds">Where; none for rain on all of it.</param>
/// <param name="Did">What.</param>
/// <param name="At">When; now where not given.</param>
public sealed record FieldRequest(IReadOnlyList<int>? BedIds, FieldAsked? Did, DateTimeOffset? At = null);

/// <summary>Why an entry is struck.</summary>
public sealed record FieldStrikeRequest(string? Why);

/// <summary>A planting as typed; empty days are not known, or not yet.</summary>
public sealed record PlantingRequest(int? Id, Guid? Version, int? BedId, string? Crop, string? Variety, DateTimeOffset? From,
    DateTimeOffset? To, string? Growing, Eaten? Eaten);

/// <summary>A planting in the drawing.</summary>
public sealed record PlantingView(int Id, Guid Version, int BedId, string Crop, string? Variety, DateTimeOffset? From, DateTimeOffset? To,
    string Growing, Eaten Eaten, bool Now);

/// <summary>Something that was done, in the drawing and the list.</summary>
/// <param name="Mm">Water, mm, as it is drawn; null where it was none.</param>
public sealed record FieldLine(int Id, FieldDeed Deed, DateTimeOffset At, string Shown, double? Mm, string? Note, bool Stands, string? Why);

/// <summary>A bed with what grew on it and what was done to it.</summary>
public sealed record PlantedBed(int BedId, string Bed, IReadOnlyList<PlantingView> Plantings, IReadOnlyList<FieldLine> Done);

/// <summary>What grew where.</summary>
/// <param name="From">The drawing begins here.</param>
/// <param name="To">And ends here: now.</param>
/// <param name="Beds">Bed by bed.</param>
/// <param name="Rain">Rain on all of it.</param>
public sealed record PlantingsView(DateTimeOffset From, DateTimeOffset To, IReadOnlyList<PlantedBed> Beds, IReadOnlyList<FieldLine> Rain);

/// <summary>Something that hangs on a planting.</summary>
/// <param name="Kind">"use", "leaves", "harvest", "trial", "check" or "field".</param>
public sealed record HangsOn(string Kind, DateTimeOffset At, string Text, string? Link);

/// <summary>A planting's own page.</summary>
/// <param name="Planting">It.</param>
/// <param name="Bed">Where.</param>
/// <param name="Says">"Since 3 Mar 2026; used 4 times, harvested 12 kg".</param>
/// <param name="Water">Rain and watering since it began.</param>
/// <param name="Hangs">Newest first.</param>
public sealed record PlantingPage(PlantingView Planting, string Bed, string Says, string Water, IReadOnlyList<HangsOn> Hangs);
