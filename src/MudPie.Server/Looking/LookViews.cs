using MudPie.Core.Ground;
using MudPie.Core.Looking;
using MudPie.Core.Workings;
using MudPie.Server.Web;

namespace MudPie.Server.Looking;

/// <summary>A peg as typed; its place as touched on the plan, m.</summary>
public sealed record PegRequest(int? Id, Guid? Version, string? Name, int? BedId, double? X, double? Y)
{
    /// <summary>"31 paces from the gate post".</summary>
    public string? Paces { get; init; }

    /// <summary>The zone that it stands for.</summary>
    public int? ZoneId { get; init; }

    /// <summary>The peg that it is a pair with.</summary>
    public int? BesideId { get; init; }

    /// <summary>What differs, this one's side: "wheeled".</summary>
    public string? Differs { get; init; }
}

/// <summary>A zone as typed; its outline as touched on the plan, m.</summary>
public sealed record ZoneRequest(int? Id, Guid? Version, int? BedId, string? Name, Texture? Texture, IReadOnlyList<PlanPoint>? Outline);

/// <summary>A yield map as text.</summary>
/// <param name="GeoJson">Points, or cells, each with a figure.</param>
/// <param name="Property">Which figure; the first that is a number where not said.</param>
/// <param name="Zones">2 to 5.</param>
/// <param name="BedId">The bed that it is of.</param>
public sealed record YieldRequest(string? GeoJson, string? Property, int? Zones, int? BedId);

/// <summary>A zone that a yield map would make.</summary>
public sealed record YieldZoneView(int Number, string Name, string Says, PlanPoint Peg, IReadOnlyList<PlanPoint> Points);

/// <summary>A yield map looked at before anything is kept.</summary>
public sealed record YieldPreview(IReadOnlyList<string> Properties, string Property, IReadOnlyList<YieldZoneView> Zones);

/// <summary>A walk as typed.</summary>
public sealed record WalkRequest(int? Id, Guid? Version, string? Name, string? HungOn, WalkPlan? Plan);

/// <summary>A check at a peg.</summary>
/// <param name="PegId">Where.</param>
/// <param name="Check">As it was tapped.</param>
/// <param name="At">When; now where not given.</param>
public sealed record CheckRequest(int? PegId, CheckAsked? Check, DateTimeOffset? At = null)
{
    /// <summary>How moist the ground was.</summary>
    public Wetness? Wet { get; init; }

    /// <summary>Hours since rain.</summary>
    public string? RainHours { get; init; }

    /// <summary>How much fell: "12", "0.5 in".</summary>
    public string? Rain { get; init; }

    /// <summary>Warmth of the ground where worms were counted: "11", "52 F"; in the check itself it is in °C.</summary>
    public string? Warmth { get; init; }

    /// <summary>Who looked.</summary>
    public string? Who { get; init; }

    /// <summary>The check that it puts right.</summary>
    public int? CorrectsId { get; init; }

    /// <summary>What was wrong with that one.</summary>
    public string? Why { get; init; }
}

/// <summary>Whether a bed keeps the full dose whatever its checks have earned.</summary>
public sealed record FullDoseRequest(bool KeepsFull);

/// <summary>What was last found at a peg by one check.</summary>
/// <param name="Kind">Which.</param>
/// <param name="At">When.</param>
/// <param name="Shown">What.</param>
/// <param name="Wet">How moist the ground was.</param>
/// <param name="BeforeAt">The visit before that one: what is shown once this time's is there.</param>
/// <param name="Before">What it found.</param>
public sealed record LastCheck(CheckKind Kind, DateTimeOffset At, string Shown, Wetness? Wet, DateTimeOffset? BeforeAt = null,
    string? Before = null);

/// <summary>A zone.</summary>
/// <param name="Outline">Its corners on the plan, m.</param>
/// <param name="Points">Points of a yield map in it, m.</param>
public sealed record ZoneView(int Id, Guid Version, int BedId, string Bed, string Name, Texture? Texture, string? Yield,
    IReadOnlyList<PlanPoint> Outline, IReadOnlyList<PlanPoint> Points);

/// <summary>A peg, and what was last found there.</summary>
public sealed record PegView(int Id, Guid Version, string Name, int BedId, string Bed, string Crop)
{
    /// <summary>"Creek Field, low corner".</summary>
    public required string Called { get; init; }

    public int? ZoneId { get; init; }

    public string? Zone { get; init; }

    public Texture? Texture { get; init; }

    public string? Paces { get; init; }

    /// <summary>m east on the plan; null where it was not touched.</summary>
    public double? X { get; init; }

    public double? Y { get; init; }

    public int? BesideId { get; init; }

    public string? Differs { get; init; }

    /// <summary>A picture of the way there.</summary>
    public int? WayPhotoId { get; init; }

    /// <summary>The last picture from there, to frame the next one by.</summary>
    public int? LastPhotoId { get; init; }

    public DateTimeOffset? LastPhotoAt { get; init; }

    /// <summary>"to the oak, from 1.5 m".</summary>
    public string? LastPhotoSays { get; init; }

    public DateTimeOffset? LastAt { get; init; }

    /// <summary>Newest first by kind; shown only after this time's is there.</summary>
    public required IReadOnlyList<LastCheck> Last { get; init; }
}

/// <summary>A walk and how far it has come.</summary>
public sealed record WalkView(int Id, Guid Version, string Name, string? HungOn, WalkPlan Plan, WalkStands Stands, string Says,
    DateOnly? Next);

/// <summary>A band of seconds in which half of a crumb has gone.</summary>
public sealed record CrumbBand(double ToS, int Class);

/// <summary>All that a walk needs, in one read: it is made where there is no signal.</summary>
public sealed record WalkDataView(IReadOnlyList<WalkView> Walks, IReadOnlyList<PegView> Pegs, IReadOnlyList<ZoneView> Zones,
    IReadOnlyList<CheckHow> Hows, IReadOnlyList<CrumbBand> CrumbBands, RainBefore? Rain);

/// <summary>The last rain that is known of.</summary>
/// <param name="Hours">So many hours ago.</param>
/// <param name="Mm">So much.</param>
/// <param name="Says">"9 mm, 31 h ago".</param>
public sealed record RainBefore(double Hours, double Mm, string Says);

/// <summary>A figure in the table of a peg's past.</summary>
public sealed record PastCell(DateTimeOffset On, string Shown);

/// <summary>A kind of check in that table.</summary>
/// <param name="Measured">"worms a block".</param>
/// <param name="Cells">By visit; null where it was not looked at then.</param>
/// <param name="Word">"more", "inside the noise".</param>
/// <param name="Better">True for better.</param>
/// <param name="Says">The interval in words, or why it is not held against anything.</param>
/// <param name="Against">The visit that the newest is held against.</param>
/// <param name="Working">How that was worked out.</param>
/// <param name="Hint">What the newest says by itself.</param>
/// <param name="Water">What fell and was given between the two.</param>
public sealed record PastLine(CheckKind Kind, string Measured, IReadOnlyList<string?> Cells, string? Word, bool? Better, string Says,
    DateTimeOffset? Against, IReadOnlyList<WorkingLine> Working, string? Hint, string? Water);

/// <summary>A rod's line.</summary>
public sealed record RodLine(DateTimeOffset At, IReadOnlyList<RodDepth> Depths, IReadOnlyList<RodDepth> Wheelings, int Pushes, Pan? Pan);

/// <summary>A check as it stands in the list.</summary>
/// <param name="Gone">"put right: a slip of the thumb", "struck: the wrong peg"; null where it stands.</param>
/// <param name="Asked">What was tapped: a correction begins from it.</param>
/// <param name="Warmth">And its warmth, as it would be typed.</param>
/// <param name="Wrote">Who wrote it.</param>
public sealed record CheckLine(int Id, DateTimeOffset At, CheckKind Kind, string Name, string Shown, string? Minding, string? Gone,
    bool Stands, CheckAsked Asked, string? Warmth, WroteView? Wrote);

/// <summary>A picture in the strip of years.</summary>
public sealed record PegPicture(int PhotoId, DateTimeOffset At, bool Way, bool Above, string? Says, bool Drawn);

/// <summary>A pair: this peg's newest against the other's.</summary>
public sealed record PairLine(CheckKind Kind, string Measured, string Here, string There, string Word, bool? Better, string Says);

/// <summary>A peg that is a pair with this one.</summary>
public sealed record PairView(int PegId, string Name, string? Here, string? There, IReadOnlyList<PairLine> Lines);

/// <summary>A peg's own page.</summary>
public sealed record PegPageView(PegView Peg, Verdict Verdict, string Under)
{
    /// <summary>The newest spade block, from the top.</summary>
    public required IReadOnlyList<LayerAsked> Layers { get; init; }

    public DateTimeOffset? LayersAt { get; init; }

    /// <summary>Plants whose roots were looked at with it, drawn in the pit: how many turned aside, where.</summary>
    public CheckAsked? Roots { get; init; }

    /// <summary>Worms of the newest count, a block.</summary>
    public double? Worms { get; init; }

    /// <summary>The rod's newest line, and the one that it is held against.</summary>
    public required IReadOnlyList<RodLine> Rods { get; init; }

    /// <summary>The visits of the table, oldest first, the last three.</summary>
    public required IReadOnlyList<DateTimeOffset> Visits { get; init; }

    public required IReadOnlyList<PastLine> Past { get; init; }

    public required Worked<GroundLifeAnswer> Life { get; init; }

    public required Worked<DoseStepped> Dose { get; init; }

    /// <summary>"560 L less on this bed".</summary>
    public string? Saves { get; init; }

    public required bool KeepsFull { get; init; }

    /// <summary>What it compares with.</summary>
    public required string Compares { get; init; }

    public required IReadOnlyList<PegPicture> Pictures { get; init; }

    public required IReadOnlyList<PairView> Pairs { get; init; }

    public required IReadOnlyList<CheckLine> Log { get; init; }

    /// <summary>Bands of the crumbs, for the dish in which one is put right.</summary>
    public required IReadOnlyList<CrumbBand> CrumbBands { get; init; }
}

/// <summary>One figure of a trend.</summary>
public sealed record YearPoint(DateTimeOffset At, double Figure, double? Lower, double? Upper, Wetness? Wet);

/// <summary>A peg over the years, by one check.</summary>
public sealed record YearLine(int PegId, string Name, string Bed, string? Zone, Texture? Texture, IReadOnlyList<YearPoint> Points,
    string Newest);

/// <summary>All pegs over the years, by one check.</summary>
public sealed record YearsView(CheckKind Kind, string Measured, IReadOnlyList<CheckKind> Kinds, IReadOnlyList<YearLine> Lines, double Low,
    double High, double? Good, double? Poor);
