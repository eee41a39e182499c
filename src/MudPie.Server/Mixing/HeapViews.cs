using MudPie.Core.Mixing;
using MudPie.Core.Workings;
using MudPie.Server.Web;

namespace MudPie.Server.Mixing;

/// <summary>A material of the table, as it is shown and changed.</summary>
/// <param name="Id">Its name in requests.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Carbon">Per cent of dry matter.</param>
/// <param name="Nitrogen">Per cent of dry matter.</param>
/// <param name="Moisture">Per cent of the whole.</param>
/// <param name="KgPerL">As it lies.</param>
/// <param name="CnShown">C:N; "none" without nitrogen.</param>
/// <param name="Own">It is the grower's own, or changed by them.</param>
public sealed record MaterialView(string Id, string Name, double Carbon, double Nitrogen, double Moisture, double KgPerL, string CnShown,
    bool Own);

/// <summary>A material of one's own, as typed: per cent of dry matter, per cent of water, kg a litre.</summary>
public sealed record MaterialRequest(string? MaterialId, string? Name, string? Carbon, string? Nitrogen, string? Moisture, string? KgPerL);

/// <summary>A material in a heap as it is drawn.</summary>
/// <param name="Name">What.</param>
/// <param name="Place">Its place among the parts.</param>
/// <param name="Share">Of the volume, 0 to 1.</param>
/// <param name="LitresShown">How much, by volume.</param>
/// <param name="KgShown">The same by weight.</param>
/// <param name="Solved">Whether it was solved.</param>
public sealed record HeapLayer(string Name, int Place, double Share, string LitresShown, string KgShown, bool Solved);

/// <summary>What the heap bench says, in the holding's units.</summary>
public sealed record HeapBenchView
{
    /// <summary>C:N.</summary>
    public required string CnShown { get; init; }

    /// <summary>"24 to 40": where sources are a third off.</summary>
    public required string CnBand { get; init; }

    /// <summary>"57 %".</summary>
    public required string WaterShown { get; init; }

    /// <summary>Of what was solved, how much; null where nothing was.</summary>
    public required string? MissingShown { get; init; }

    /// <summary>The band of that, where tables are a third off.</summary>
    public required string? MissingBand { get; init; }

    /// <summary>Water to add; null where it is wet enough.</summary>
    public required string? AddWaterShown { get; init; }

    /// <summary>What it measures and weighs.</summary>
    public required string SizeSays { get; init; }

    /// <summary>From the foot up, as they were given.</summary>
    public required IReadOnlyList<HeapLayer> Layers { get; init; }

    /// <summary>What to do.</summary>
    public required Verdict Verdict { get; init; }
}

/// <summary>A heap that is to be built, or changed.</summary>
/// <param name="Id">Of one that is changed; null for a new one.</param>
/// <param name="Version">Of one that is changed, as it was read.</param>
/// <param name="Asked">The heap.</param>
/// <param name="BuiltAt">When it was built; now where not given.</param>
public sealed record HeapKeepRequest(int? Id, Guid? Version, HeapAsked? Asked, DateTimeOffset? BuiltAt);

/// <summary>A probe in a heap's core.</summary>
/// <param name="Port">Of this machine; 5181 where not given.</param>
public sealed record HeapProbeRequest(int? Port);

/// <summary>A step at a heap, as typed.</summary>
public sealed record HeapStepRequest
{
    /// <summary>Which.</summary>
    public HeapStep? Step { get; init; }

    /// <summary>Of its core: "61", "61 °C".</summary>
    public string? Warmth { get; init; }

    /// <summary>Of compost sieved out, or of water.</summary>
    public string? Amount { get; init; }

    /// <summary>In words.</summary>
    public string? Note { get; init; }

    /// <summary>When; now where not given.</summary>
    public DateTimeOffset? At { get; init; }
}

/// <summary>Why an entry is struck.</summary>
public sealed record HeapStrikeRequest(string? Why, DateTimeOffset? At);

/// <summary>An entry of a heap's log.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Step">What.</param>
/// <param name="At">When.</param>
/// <param name="Shown">In words and figures.</param>
/// <param name="Note">The grower's own words.</param>
/// <param name="Struck">It was struck since.</param>
/// <param name="StruckWhy">Why.</param>
/// <param name="Wrote">Who wrote it.</param>
public sealed record HeapEntryView(int Id, HeapStep Step, DateTimeOffset At, string Shown, string? Note, bool Struck, string? StruckWhy,
    WroteView? Wrote);

/// <summary>A reading of the core, for the curve.</summary>
/// <param name="At">When.</param>
/// <param name="Day">Days since it was built.</param>
/// <param name="Celsius">°C.</param>
/// <param name="Shown">In the holding's units.</param>
public sealed record HeapReading(DateTimeOffset At, double Day, double Celsius, string Shown);

/// <summary>A heap in a line.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Name">Its name.</param>
/// <param name="State">How far it has come.</param>
/// <param name="Tone">Go, mind or stop.</param>
/// <param name="Word">"61 °C, day 9".</param>
/// <param name="Says">What to do.</param>
public sealed record HeapLine(int Id, string Name, HeapState State, Tone Tone, string Word, string Says);

/// <summary>All heaps, and the table.</summary>
public sealed record HeapsView(IReadOnlyList<HeapLine> Heaps, IReadOnlyList<MaterialView> Materials, HeapAsked Start);

/// <summary>A heap as it stands.</summary>
public sealed record HeapView
{
    /// <summary>Its number.</summary>
    public required int Id { get; init; }

    /// <summary>Its version as it was read.</summary>
    public required Guid Version { get; init; }

    /// <summary>Its name.</summary>
    public required string Name { get; init; }

    /// <summary>Where it lies.</summary>
    public required string? Place { get; init; }

    /// <summary>When it was built.</summary>
    public required DateTimeOffset BuiltAt { get; init; }

    /// <summary>How it stands.</summary>
    public required Worked<HeapStands> Stands { get; init; }

    /// <summary>"61 °C, day 9".</summary>
    public required string Word { get; init; }

    /// <summary>Days and turnings as the code counts them.</summary>
    public required string CodeSays { get; init; }

    /// <summary>55 °C, for the line on the curve, in the holding's units.</summary>
    public required string HotShown { get; init; }

    /// <summary>What it was built of; null where it can't be worked out any more.</summary>
    public required Worked<HeapBenchView>? Bench { get; init; }

    /// <summary>Its core through its days.</summary>
    public required IReadOnlyList<HeapReading> Readings { get; init; }

    /// <summary>Days on which it was turned, since it was built.</summary>
    public required IReadOnlyList<double> Turned { get; init; }

    /// <summary>What was done, newest first.</summary>
    public required IReadOnlyList<HeapEntryView> Log { get; init; }

    /// <summary>What was taken up of it.</summary>
    public required IReadOnlyList<MixLot> Lots { get; init; }
}
