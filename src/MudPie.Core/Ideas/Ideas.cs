using System.Text.Json.Serialization;

namespace MudPie.Core.Ideas;

/// <summary>What a brew or a job is for.</summary>
public enum Purpose
{
    /// <summary>On leaves, where it has to stick.</summary>
    Leaf,

    /// <summary>To the roots, where it has to soak in.</summary>
    Root,
}

/// <summary>How a brew is made; what each is and is best for: <see cref="Brewing.Makings"/>.</summary>
public enum Making
{
    /// <summary>Fed and kept on air until what came off has multiplied.</summary>
    Tea,

    /// <summary>Dunked and squeezed in clean water.</summary>
    Extract,

    /// <summary>Bubbled three to four hours with no food.</summary>
    Bubbled,

    /// <summary>Stood in water for days: a feed, not a live brew.</summary>
    Steep,
}

/// <summary>Which way a brew leans.</summary>
public enum Bias
{
    /// <summary>To bacteria: annuals, low pH.</summary>
    Bacterial,

    /// <summary>To neither.</summary>
    Balanced,

    /// <summary>To fungi: woody plants, high pH.</summary>
    Fungal,
}

/// <summary>How alive a bed's ground was found to be.</summary>
public enum Life
{
    /// <summary>A full dose, with food for it in the ground.</summary>
    Poor,

    /// <summary>A smaller dose.</summary>
    Middling,

    /// <summary>Alive already: expect little of a brew.</summary>
    Living,
}

/// <summary>In what form an inoculant carries its life: how fast it fades follows from it.</summary>
public enum LifeForm
{
    /// <summary>Dormant spores of bacteria.</summary>
    Spores,

    /// <summary>Living cells.</summary>
    Living,

    /// <summary>Spores, threads and rooted pieces of fungi.</summary>
    Propagules,
}

/// <summary>How something looks, in a word: the colour and shape on screen follow from it. The gravest is last.</summary>
public enum Tone
{
    /// <summary>Go ahead.</summary>
    Go,

    /// <summary>Mind something.</summary>
    Mind,

    /// <summary>Stop.</summary>
    Stop,
}

/// <summary>A verdict: a sentence that says what to do, and one that says why.</summary>
public sealed record Verdict(Tone Tone, string Sentence, string Why);

/// <summary>How a trial is laid out and judged.</summary>
public enum Design
{
    /// <summary>By lot over the whole.</summary>
    Random,

    /// <summary>Each treatment once in every block.</summary>
    Blocks,

    /// <summary>Factors crossed.</summary>
    Factorial,

    /// <summary>One factor on whole plots, another on their parts.</summary>
    [JsonStringEnumMemberName("split-plot")]
    SplitPlot,

    /// <summary>Pairs that lie side by side.</summary>
    Paired,

    /// <summary>One of each, side by side: a look, not a test.</summary>
    Pair,
}

/// <summary>Where a trial stands.</summary>
public enum TrialState
{
    /// <summary>Laid out, nothing put on.</summary>
    Planned,

    /// <summary>Begun.</summary>
    Growing,

    /// <summary>Over.</summary>
    Ended,
}

/// <summary>What the plots of a trial are.</summary>
public enum TrialKind
{
    /// <summary>A grid on a bench.</summary>
    Pots,

    /// <summary>Plots one after another along each bed.</summary>
    Beds,

    /// <summary>Side by side across a field.</summary>
    Strips,
}

/// <summary>What a treatment of a trial is beside the others.</summary>
public enum TrialRole
{
    /// <summary>Nothing was done.</summary>
    Control,

    /// <summary>What carries the others, alone.</summary>
    Water,

    /// <summary>What is asked about.</summary>
    Treatment,
}

/// <summary>What a patch is beside the others.</summary>
public enum PatchRole
{
    /// <summary>Water only.</summary>
    Water,

    /// <summary>What candidates are mixed into, alone.</summary>
    Carrier,

    /// <summary>What is asked about.</summary>
    Candidate,
}

/// <summary>What the figures of a measure are.</summary>
public enum Scale
{
    /// <summary>A size.</summary>
    Amount,

    /// <summary>An order, and no size.</summary>
    Score,

    /// <summary>So many out of so many.</summary>
    Count,
}

/// <summary>What a trial found, from where its whole interval lies.</summary>
public enum Finding
{
    /// <summary>All of it lies beyond what was worth having.</summary>
    [JsonStringEnumMemberName("works")]
    Works,

    /// <summary>All of it lies above nothing.</summary>
    [JsonStringEnumMemberName("some effect, perhaps not worth it")]
    Some,

    /// <summary>All of it lies within what is not worth having.</summary>
    [JsonStringEnumMemberName("no useful difference")]
    NoUse,

    /// <summary>All of it lies below nothing.</summary>
    [JsonStringEnumMemberName("does harm")]
    Harm,

    /// <summary>It says none of these.</summary>
    [JsonStringEnumMemberName("cannot tell yet")]
    CannotTell,
}
