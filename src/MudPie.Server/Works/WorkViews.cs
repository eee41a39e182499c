using MudPie.Core.Workings;
using MudPie.Core.Works;
using MudPie.Server.Mixing;
using MudPie.Server.Web;

namespace MudPie.Server.Works;

/// <summary>A work in the yard in a line.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Kind">What it is.</param>
/// <param name="Name">Its name.</param>
/// <param name="Tone">Go, mind or stop.</param>
/// <param name="Word">"tray 1 ready".</param>
/// <param name="Figure">"about 31 L of castings".</param>
/// <param name="Says">What to do.</param>
/// <param name="Link">Its page.</param>
public sealed record WorkLine(int Id, WorkKind Kind, string Name, Tone Tone, string Word, string Figure, string Says, string Link);

/// <summary>A step at a work, as typed, and when it was done.</summary>
public sealed record WorkStepRequest(WorkStepAsked? Did, DateTimeOffset? At);

/// <summary>Why an entry is struck.</summary>
public sealed record WorkStrikeRequest(string? Why, DateTimeOffset? At);

/// <summary>An entry of a log.</summary>
/// <param name="Id">Its number.</param>
/// <param name="At">When.</param>
/// <param name="Shown">In words and figures.</param>
/// <param name="Note">The grower's own words.</param>
/// <param name="Struck">It was struck since.</param>
/// <param name="StruckWhy">Why.</param>
/// <param name="Wrote">Who wrote it.</param>
public sealed record WorkEntryView(int Id, DateTimeOffset At, string Shown, string? Note, bool Struck, string? StruckWhy,
    WroteView? Wrote);

/// <summary>A bin that is to be set up, or changed.</summary>
/// <param name="Id">Of one that is changed; null for a new one.</param>
/// <param name="Version">Of one that is changed, as it was read.</param>
/// <param name="Asked">The bin.</param>
/// <param name="BegunAt">When it was begun; now where not given.</param>
public sealed record WormsKeepRequest(int? Id, Guid? Version, WormsAsked? Asked, DateTimeOffset? BegunAt);

/// <summary>A burn that is planned, or changed.</summary>
/// <param name="Id">Of one that is changed; null for a new one.</param>
/// <param name="Version">Of one that is changed, as it was read.</param>
/// <param name="Asked">The burn.</param>
public sealed record BurnKeepRequest(int? Id, Guid? Version, BurnAsked? Asked);

/// <summary>All bins, and what a new one begins with.</summary>
public sealed record WormBinsView(IReadOnlyList<WorkLine> Bins, WormsAsked Start);

/// <summary>All burns, and what a new one begins with.</summary>
public sealed record BurnsView(IReadOnlyList<WorkLine> Burns, BurnAsked Start);

/// <summary>A tray as it is drawn.</summary>
public sealed record TrayView
{
    /// <summary>What stands on it.</summary>
    public required string Name { get; init; }

    /// <summary>What it holds.</summary>
    public required string HoldsShown { get; init; }

    /// <summary>How far it has come.</summary>
    public required TrayState State { get; init; }

    /// <summary>From when it has been so.</summary>
    public required DateTimeOffset? Since { get; init; }

    /// <summary>Filled share, 0 to 1, by what was laid in and has shrunk.</summary>
    public required double Fill { get; init; }

    /// <summary>What was laid in since it was empty: "6.2 kg of food, 20 L of bedding"; null for nothing.</summary>
    public required string? LaidShown { get; init; }

    /// <summary>"about 31 L of castings, 24 to 38"; null for none.</summary>
    public required string? CastingsShown { get; init; }

    /// <summary>"4.9 g of nitrogen a litre at most, 2.7 to 8.2"; null for none.</summary>
    public required string? NitrogenShown { get; init; }

    /// <summary>The sum of it; null for none.</summary>
    public required Worked<CastingsContent>? Castings { get; init; }

    /// <summary>The first day that it may be ready; null where it is not working.</summary>
    public required DateTimeOffset? LookFrom { get; init; }
}

/// <summary>A bin as it stands.</summary>
public sealed record WormBinView
{
    /// <summary>Its number.</summary>
    public required int Id { get; init; }

    /// <summary>Its version as it was read.</summary>
    public required Guid Version { get; init; }

    /// <summary>Its name.</summary>
    public required string Name { get; init; }

    /// <summary>As it was set up.</summary>
    public required WormsAsked Asked { get; init; }

    /// <summary>The bed on which worms are fed in place; null for a bin.</summary>
    public required string? Bed { get; init; }

    /// <summary>When it was begun.</summary>
    public required DateTimeOffset BegunAt { get; init; }

    /// <summary>What to do.</summary>
    public required Verdict Verdict { get; init; }

    /// <summary>From the top of the stack to its foot.</summary>
    public required IReadOnlyList<TrayView> Trays { get; init; }

    /// <summary>The tray that is fed; null where none is begun.</summary>
    public required string? Feeding { get; init; }

    /// <summary>"400 g"; null where nothing says.</summary>
    public required string? TodayShown { get; init; }

    /// <summary>"about 400 g a day, by their weight"; null where nothing says.</summary>
    public required string? EatsShown { get; init; }

    /// <summary>"about 200 g lies"; null for nothing.</summary>
    public required string? LyingShown { get; init; }

    /// <summary>The sum of what they eat.</summary>
    public required Worked<Appetite> Appetite { get; init; }

    /// <summary>What the worms weigh; null where nobody knows.</summary>
    public required string? WormsShown { get; init; }

    /// <summary>"19 °C, right, two days ago"; null where nothing was looked at.</summary>
    public required string? LooksShown { get; init; }

    /// <summary>Liquid drawn off; null for none.</summary>
    public required string? LeachateShown { get; init; }

    /// <summary>What schools do with that.</summary>
    public required Fork Leachate { get; init; }

    /// <summary>Said at the bin.</summary>
    public required IReadOnlyList<Caution> Cautions { get; init; }

    /// <summary>What was done, newest first.</summary>
    public required IReadOnlyList<WorkEntryView> Log { get; init; }

    /// <summary>What was taken up of it.</summary>
    public required IReadOnlyList<MixLot> Lots { get; init; }
}

/// <summary>What a burn should give, in the holding's units.</summary>
/// <param name="PitShown">What the pit holds.</param>
/// <param name="PitAcross">Across its brim, in depths: how wide it is drawn.</param>
/// <param name="FootShare">Its foot, as a share of its brim.</param>
/// <param name="CharShown">"300 L to 600 L".</param>
/// <param name="WaterShown">Water to have ready.</param>
/// <param name="Fill">Char in the pit, share, 0 to 1.</param>
/// <param name="Verdict">What to do.</param>
public sealed record BurnBenchView(string PitShown, double PitAcross, double FootShare, string CharShown, string WaterShown, double Fill,
    Verdict Verdict);

/// <summary>A burn as it stands.</summary>
public sealed record BurnView
{
    /// <summary>Its number.</summary>
    public required int Id { get; init; }

    /// <summary>Its version as it was read.</summary>
    public required Guid Version { get; init; }

    /// <summary>Its name.</summary>
    public required string Name { get; init; }

    /// <summary>As it was planned.</summary>
    public required BurnAsked Asked { get; init; }

    /// <summary>How far it has come.</summary>
    public required BurnState State { get; init; }

    /// <summary>"burning, for 2 h".</summary>
    public required string Word { get; init; }

    /// <summary>What to do.</summary>
    public required Verdict Verdict { get; init; }

    /// <summary>The pit and what it should give.</summary>
    public required Worked<BurnBenchView> Bench { get; init; }

    /// <summary>What matters at this moment.</summary>
    public required IReadOnlyList<Caution> Cautions { get; init; }

    /// <summary>What can be done next.</summary>
    public required IReadOnlyList<WorkStep> Next { get; init; }

    /// <summary>When it is to be felt for heat; null where it need not be.</summary>
    public required DateTimeOffset? FeelAt { get; init; }

    /// <summary>"2 h 10 min, 380 L of water"; null before it is lit.</summary>
    public required string? CourseShown { get; init; }

    /// <summary>"400 L, 20 % of the wood as stacked"; null before it is measured.</summary>
    public required string? YieldShown { get; init; }

    /// <summary>"183 kg of CO₂ …, 82 to 295"; null before it is measured.</summary>
    public required string? CarbonShown { get; init; }

    /// <summary>The sum of both; null before it is measured.</summary>
    public required Worked<CharYield>? Yield { get; init; }

    /// <summary>Of the char, what was not carried off yet; null before it is measured.</summary>
    public required string? LeftShown { get; init; }

    /// <summary>What was done, newest first.</summary>
    public required IReadOnlyList<WorkEntryView> Log { get; init; }

    /// <summary>What was taken up of it.</summary>
    public required IReadOnlyList<MixLot> Lots { get; init; }
}

/// <summary>Whether castings carry a crop, with its line.</summary>
/// <param name="Outlook">Week by week.</param>
/// <param name="ShareShown">"30 %".</param>
/// <param name="Verdict">What to do.</param>
public sealed record CastingsFeedView(Core.Mixing.NitrogenOutlookAnswer Outlook, string ShareShown, Verdict Verdict);
