using MudPie.Core.Mixing;
using MudPie.Core.Workings;
using MudPie.Server.Web;

namespace MudPie.Server.Mixing;

/// <summary>A layer of a mix, as it is drawn.</summary>
/// <param name="Name">"coir", "charged char".</param>
/// <param name="Part">Its place among the parts: the same part is drawn alike in every pot.</param>
/// <param name="Share">Of the loose mix as it was asked for, 0 to 1.</param>
/// <param name="PercentShown">"60 %".</param>
/// <param name="Shown">How much of it goes in by itself, in the holding's units; of charged char the blend. Empty where all of it comes
/// with the charge.</param>
public sealed record MixLayer(string Name, int Part, double Share, string PercentShown, string Shown);

/// <summary>One mix as it is drawn and told.</summary>
public sealed record MixDrawn
{
    /// <summary>What it is called.</summary>
    public required string Name { get; init; }

    /// <summary>"16 pots, 48 L".</summary>
    public required string Fills { get; init; }

    /// <summary>What is made of it, with the spare.</summary>
    public required string FinishedShown { get; init; }

    /// <summary>What is left over of it; null where nothing is.</summary>
    public required string? OverShown { get; init; }

    /// <summary>From the bottom up: the lightest on top as it was asked for.</summary>
    public required IReadOnlyList<MixLayer> Layers { get; init; }

    /// <summary>Nitrogen week by week; null where not one part is known.</summary>
    public required Worked<NitrogenOutlookAnswer>? Nitrogen { get; init; }

    /// <summary>Parts that nothing is known of.</summary>
    public required IReadOnlyList<string> Unknown { get; init; }

    /// <summary>What buffers its peat; null where there is none in it.</summary>
    public required MixBuffered? Buffer { get; init; }
}

/// <summary>A line of what is to be fetched.</summary>
/// <param name="Name">What.</param>
/// <param name="Shown">How much.</param>
/// <param name="Says">Packs, the shelf, what goes into the charge, what is left.</param>
/// <param name="Short">Whether it has to be bought or made first.</param>
/// <param name="CostShown">What it costs; null where not known.</param>
public sealed record MixFetch(string Name, string Shown, string Says, bool Short, string? CostShown);

/// <summary>The charge as it is told.</summary>
public sealed record MixCharge
{
    /// <summary>What is charged.</summary>
    public required string Of { get; init; }

    /// <summary>With what.</summary>
    public required string With { get; init; }

    /// <summary>How much of it.</summary>
    public required string OfShown { get; init; }

    /// <summary>How much of that.</summary>
    public required string WithShown { get; init; }

    /// <summary>Share of the one in the blend, 0 to 1.</summary>
    public required double OfShare { get; init; }

    /// <summary>"one litre of char to 2.6 of castings; more would …".</summary>
    public required string RatioSays { get; init; }

    /// <summary>"5 of 10 L, 8.9 L more than the mixes take".</summary>
    public required string? ContainersSays { get; init; }

    /// <summary>The last day to begin.</summary>
    public required DateOnly? LastDay { get; init; }

    /// <summary>Ready so.</summary>
    public required DateOnly ReadyOn { get; init; }

    /// <summary>Days to look at its damp.</summary>
    public required IReadOnlyList<DateOnly> LookOn { get; init; }
}

/// <summary>All that the mix bench says, in the holding's units.</summary>
public sealed record MixBenchView(string Title, Verdict Verdict, IReadOnlyList<MixDrawn> Each, IReadOnlyList<string> Parts,
    IReadOnlyList<MixFetch> Fetch, MixCharge? Charge, string CostSays, bool RawNeedsWhy);

/// <summary>A job that is to be kept.</summary>
/// <param name="Id">Of one that is changed; null for a new one.</param>
/// <param name="Version">Of one that is changed, as it was read.</param>
/// <param name="Asked">The job.</param>
public sealed record MixKeepRequest(int? Id, Guid? Version, MixRequest? Asked);

/// <summary>A step, as typed.</summary>
public sealed record MixStepRequest
{
    /// <summary>Which.</summary>
    public MixStep? Step { get; init; }

    /// <summary>Of a look at the charge.</summary>
    public Damp? Damp { get; init; }

    /// <summary>In words.</summary>
    public string? Note { get; init; }

    /// <summary>The bed that is filled, or on which the pots stand.</summary>
    public int? BedId { get; init; }

    /// <summary>When it was done; now where not given.</summary>
    public DateTimeOffset? At { get; init; }
}

/// <summary>Why a step is undone.</summary>
public sealed record MixUndoRequest(string? Why, DateTimeOffset? At);

/// <summary>A step of a job, as it is told.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Step">Which.</param>
/// <param name="At">When.</param>
/// <param name="Text">What was done.</param>
/// <param name="Note">The grower's own words.</param>
/// <param name="Undone">It was undone since.</param>
/// <param name="UndoneWhy">Why.</param>
/// <param name="CanUndo">It is the newest that stands.</param>
/// <param name="Wrote">Who wrote it.</param>
public sealed record MixStepView(int Id, MixStep Step, DateTimeOffset At, string Text, string? Note, bool Undone, string? UndoneWhy,
    bool CanUndo, WroteView? Wrote);

/// <summary>A lot that a job made.</summary>
public sealed record MixLot(int Id, int InputId, string Name, string LeftShown);

/// <summary>A job in a line.</summary>
public sealed record MixLine(int Id, string Name, MixState State, string Word, string Figure, Tone Tone,
    IReadOnlyList<IReadOnlyList<MixLayer>> Pots);

/// <summary>All jobs, and what a new one can be made of.</summary>
public sealed record MixesView(IReadOnlyList<MixLine> Jobs, IReadOnlyList<MixChoice> Shelf, IReadOnlyList<MixBed> Beds);

/// <summary>A thing of the shelf that can go into a mix.</summary>
public sealed record MixChoice(int InputId, string Name, string LeftShown, bool RawChar, bool Source);

/// <summary>A bed that can be filled.</summary>
public sealed record MixBed(int Id, string Name, string AreaTyped);

/// <summary>A job as it stands.</summary>
public sealed record MixJobView
{
    /// <summary>Its number.</summary>
    public required int Id { get; init; }

    /// <summary>Its version as it was read.</summary>
    public required Guid Version { get; init; }

    /// <summary>What it is called.</summary>
    public required string Name { get; init; }

    /// <summary>How far it has come.</summary>
    public required MixState State { get; init; }

    /// <summary>The same in words: "charging, 9 days".</summary>
    public required string StateSays { get; init; }

    /// <summary>As it was asked for.</summary>
    public required MixRequest Asked { get; init; }

    /// <summary>As it is worked out today; null where a part of it is gone from the shelf.</summary>
    public required Worked<MixBenchView>? Bench { get; init; }

    /// <summary>What keeps it from being worked out; null where nothing does.</summary>
    public required string? Trouble { get; init; }

    /// <summary>What can be done next.</summary>
    public required IReadOnlyList<MixStep> Next { get; init; }

    /// <summary>What was done, newest first.</summary>
    public required IReadOnlyList<MixStepView> Log { get; init; }

    /// <summary>What it made.</summary>
    public required IReadOnlyList<MixLot> Lots { get; init; }
}
