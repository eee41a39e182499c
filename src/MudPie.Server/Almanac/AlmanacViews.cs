using MudPie.Core.Almanac;
using MudPie.Core.Workings;
using MudPie.Core.Works;
using MudPie.Server.Works;

namespace MudPie.Server.Almanac;

/// <summary>A month on the line of the year.</summary>
/// <param name="Name">"Nov".</param>
/// <param name="At">Where it begins, 0 to 1 of the year drawn.</param>
public sealed record MonthMark(string Name, double At);

/// <summary>Light of a day on the line of the year, hours of sun time.</summary>
/// <param name="At">Where it lies, 0 to 1.</param>
/// <param name="Rise">Sunrise, 0 to 24; 12 where the sun does not rise.</param>
/// <param name="Set">Sunset, 0 to 24; 12 where it does not rise.</param>
public sealed record LightMark(double At, double Rise, double Set);

/// <summary>A turn of the year.</summary>
/// <param name="Name">"spring equinox".</param>
/// <param name="At">Where it lies, 0 to 1.</param>
/// <param name="When">UTC.</param>
/// <param name="Shown">"20 Mar · 20:24".</param>
public sealed record TurnMark(string Name, double At, DateTimeOffset When, string Shown);

/// <summary>A new or a full moon on the line of the year.</summary>
public sealed record MoonMark(double At, bool Full, string Shown);

/// <summary>A stretch of a preparation on the line of the year.</summary>
/// <param name="From">0 to 1.</param>
/// <param name="To">0 to 1.</param>
/// <param name="Kind">"ground" for what lies there now, "coming", "hung".</param>
/// <param name="Says">"horn manure: in the ground".</param>
public sealed record PrepBand(double From, double To, string Kind, string Says);

/// <summary>A preparation on the line of the year.</summary>
public sealed record PrepRow(string Id, string Name, IReadOnlyList<PrepBand> Bands);

/// <summary>A line of today's sky.</summary>
public sealed record SkyLine(string Name, string Shown);

/// <summary>A sowing day by the moon.</summary>
/// <param name="From">UTC.</param>
/// <param name="To">UTC.</param>
/// <param name="Place">Plain and Latin name.</param>
/// <param name="Part">root, flower, leaf, fruit.</param>
public sealed record SowingStretch(DateTimeOffset From, DateTimeOffset To, string Place, string Part);

/// <summary>Preparations of the holding in a line each, with what lies where.</summary>
public sealed record InGround(WorkLine Line, PrepState State, string Where);

/// <summary>The year drawn at the holding's latitude.</summary>
public sealed record AlmanacView
{
    /// <summary>"52.5° N"; null where nobody said.</summary>
    public required string? Latitude { get; init; }

    /// <summary>Where today lies on the line, 0 to 1.</summary>
    public required double Today { get; init; }

    public required IReadOnlyList<MonthMark> Months { get; init; }

    /// <summary>By weeks; empty where nobody said where the holding lies.</summary>
    public required IReadOnlyList<LightMark> Light { get; init; }

    public required IReadOnlyList<TurnMark> Turns { get; init; }

    public required IReadOnlyList<MoonMark> Moons { get; init; }

    public required IReadOnlyList<PrepRow> Rows { get; init; }

    /// <summary>What is next.</summary>
    public required Verdict Verdict { get; init; }

    /// <summary>The fork of lifting, with this year's dates; null where none is due.</summary>
    public required Fork? Lift { get; init; }

    /// <summary>What was begun here, and what came of it, newest first.</summary>
    public required IReadOnlyList<InGround> Begun { get; init; }

    /// <summary>Sun and moon today.</summary>
    public required IReadOnlyList<SkyLine> Sky { get; init; }

    /// <summary>Sowing days by the moon are shown.</summary>
    public required bool SowingDays { get; init; }

    /// <summary>Of the next ten days; empty where they are not turned on.</summary>
    public required IReadOnlyList<SowingStretch> Sowing { get; init; }

    /// <summary>The fork of the moon's way; null where sowing days are not turned on.</summary>
    public required Fork? Zodiac { get; init; }

    public required IReadOnlyList<Caution> Cautions { get; init; }

    /// <summary>That what these do is contested, and what is left out.</summary>
    public required IReadOnlyList<string> Says { get; init; }
}

/// <summary>Sowing days are turned on or off.</summary>
public sealed record SowingRequest(bool? On);

/// <summary>A preparation that is set up, or changed.</summary>
/// <param name="Id">Of one that is changed; null for a new one.</param>
/// <param name="Version">Of one that is changed, as it was read.</param>
/// <param name="Asked">The preparation.</param>
/// <param name="X">Where it lies on the plan, m east of its corner; null to leave it as it is.</param>
/// <param name="Y">m north of it.</param>
public sealed record PrepKeepRequest(int? Id, Guid? Version, PrepAsked? Asked, double? X = null, double? Y = null);

/// <summary>What was stirred is put out.</summary>
/// <param name="BedIds">On which beds.</param>
/// <param name="Water">How much went out, as typed: "12 L".</param>
/// <param name="At">When; now where not given.</param>
/// <param name="Who">By role.</param>
/// <param name="CautionsSeen">Cautions that were ticked.</param>
public sealed record PrepPutOutRequest(IReadOnlyList<int>? BedIds, string? Water, DateTimeOffset? At, string? Who,
    IReadOnlyList<string>? CautionsSeen);

/// <summary>What is usually stirred for beds.</summary>
public sealed record PrepRateView(string AmountShown, string WaterShown, string AreaShown);

/// <summary>A preparation to choose from.</summary>
/// <param name="Kind">The preparation.</param>
/// <param name="Called">"500 horn manure".</param>
/// <param name="When">"about 23 Sep 2027, 2 Sep to 14 Oct"; null where nobody said where the holding lies.</param>
/// <param name="Begin">"Bury".</param>
/// <param name="Cautions">Said before it is made.</param>
public sealed record PrepKindView(Preparation Kind, string Called, string? When, string Begin, IReadOnlyList<Caution> Cautions);

/// <summary>All preparations, and what a new one begins with.</summary>
public sealed record PrepsView(IReadOnlyList<PrepKindView> Kinds, IReadOnlyList<WorkLine> Lines, string Contested);

/// <summary>A preparation as it stands.</summary>
public sealed record PrepView
{
    public required int Id { get; init; }

    public required Guid Version { get; init; }

    public required PrepAsked Asked { get; init; }

    public required PrepKindView Kind { get; init; }

    public required PrepState State { get; init; }

    /// <summary>"in the ground, lift from 21 Mar".</summary>
    public required string Word { get; init; }

    public required Verdict Verdict { get; init; }

    public required Fork? Lift { get; init; }

    /// <summary>"12 in, 11 out"; null where nobody counted.</summary>
    public required string? CountShown { get; init; }

    /// <summary>Its place in words: "4 paces from the post; marked in Hop Yard"; null where nobody said.</summary>
    public required string? PlaceShown { get; init; }

    /// <summary>It is marked on the plan.</summary>
    public required bool Marked { get; init; }

    public required IReadOnlyList<WorkStep> Next { get; init; }

    /// <summary>What was stirred or thinned last is not in the book as put out yet.</summary>
    public required bool Waits { get; init; }

    public required IReadOnlyList<Caution> Cautions { get; init; }

    public required IReadOnlyList<WorkEntryView> Log { get; init; }

    public required IReadOnlyList<Mixing.MixLot> Lots { get; init; }

    /// <summary>Minutes that it is stirred by practice.</summary>
    public required double StirMinutes { get; init; }

    public required string Contested { get; init; }
}
