namespace MudPie.Core.Mixing;

/// <summary>What a mix for a trial wants beside its amounts.</summary>
public static class MixForTrial
{
    /// <summary>What to mind, by where the job stands.</summary>
    /// <param name="state">Where it stands.</param>
    /// <remarks>A trial compares treatments, not lots: before anything is mixed all lots of an input become one. Once they grow: a leader
    /// of the first weeks is often overtaken, and a pot that is outgrown tells of the pot. Grade: practitioners’ rule.</remarks>
    public static string Says(MixState state) => state is MixState.Mixed or MixState.Filled
        ? "An early leader is often overtaken: read it by dates, and note the day a pot is outgrown."
        : "Mix all lots of an input into one before the first mix: a trial compares treatments, not lots.";
}
