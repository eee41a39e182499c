using MudPie.Core.Judging.Together;
using MudPie.Core.Workings;

namespace MudPie.Server.Together;

/// <summary>A trial's question, asked of others.</summary>
/// <param name="TrialId">One of this holding's own.</param>
/// <param name="Days">Days after it begins on which it is measured, as typed: "60, 90"; empty where it is not said.</param>
public sealed record AskOthersRequest(int TrialId, string? Days);

/// <summary>A protocol, or a result of one, as it came.</summary>
/// <param name="Json">The file as text.</param>
public sealed record BringRequest(string? Json);

/// <summary>A result that does not count.</summary>
/// <param name="Why">Why, in the grower's words.</param>
public sealed record LeaveOutRequest(string? Why);

/// <summary>Whether the other holdings of the box may have it.</summary>
/// <param name="On">They may.</param>
public sealed record ConsentRequest(bool On);

/// <summary>A protocol that another holding of the box offers.</summary>
/// <param name="Mark">Its mark.</param>
public sealed record TakeRequest(Guid Mark);

/// <summary>A protocol in a list.</summary>
/// <param name="Id">Its number here; null where it is only offered at the box.</param>
/// <param name="Mark">Its mark.</param>
/// <param name="Question">What is asked.</param>
/// <param name="From">Who asks.</param>
/// <param name="Ours">It was asked here.</param>
/// <param name="Says">Arms and measure, in words.</param>
public sealed record ProtocolLine(int? Id, Guid Mark, string Question, string From, bool Ours, string Says);

/// <summary>An own trial that could be asked of others.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Question">What it asks.</param>
public sealed record AskableView(int Id, string Question);

/// <summary>Trials that several gardens try alike.</summary>
/// <param name="AtBox">There are other holdings under this roof.</param>
/// <param name="Protocols">Newest first; those offered at the box last.</param>
/// <param name="Askable">Own trials that are no part of one yet.</param>
public sealed record TogetherView(bool AtBox, IReadOnlyList<ProtocolLine> Protocols, IReadOnlyList<AskableView> Askable);

/// <summary>An own trial by a protocol.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Label">Crop and season.</param>
/// <param name="Says">How far it is, or why it has no result yet.</param>
/// <param name="Ready">It has a result.</param>
/// <param name="Sent">The other holdings of the box were given it.</param>
public sealed record OwnGarden(int Id, string Label, string Says, bool Ready, bool Sent);

/// <summary>What a garden found.</summary>
/// <param name="Id">Its number where it can be left out; null for an own one or one from the box.</param>
/// <param name="Label">By its own name for itself.</param>
/// <param name="Source">Where it came from.</param>
/// <param name="Arms">Each arm.</param>
/// <param name="Strength">Blind, by lot, plots, in words.</param>
/// <param name="OutWhy">Why it does not count; null where it does.</param>
public sealed record GardenView(int? Id, string Label, string Source, IReadOnlyList<ArmView> Arms, string Strength, string? OutWhy);

/// <summary>What an arm gave there, in words.</summary>
/// <param name="Name">The arm.</param>
/// <param name="Says">Difference, standard error, plots.</param>
public sealed record ArmView(string Name, string Says);

/// <summary>A protocol with all that is known of it.</summary>
/// <param name="Id">Its number here.</param>
/// <param name="Told">What it says.</param>
/// <param name="Reference">What all differences are from.</param>
/// <param name="Ours">It was asked here.</param>
/// <param name="Offered">The other holdings of the box may join it by this holding's word.</param>
/// <param name="AtBox">There are other holdings.</param>
/// <param name="Own">Own trials by it.</param>
/// <param name="Gardens">Results, own ones first.</param>
/// <param name="Pooled">All of them together.</param>
/// <param name="Cautions">What to mind.</param>
public sealed record ProtocolView(int Id, TrialProtocol Told, string Reference, bool Ours, bool Offered, bool AtBox,
    IReadOnlyList<OwnGarden> Own, IReadOnlyList<GardenView> Gardens, Worked<PooledGardens> Pooled, IReadOnlyList<Caution> Cautions);
