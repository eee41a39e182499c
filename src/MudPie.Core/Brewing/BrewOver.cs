namespace MudPie.Core.Brewing;

/// <summary>What came of a brew that is over.</summary>
public static class BrewOver
{
    /// <summary>In a sentence; null while it is not over.</summary>
    /// <param name="state">Where it stands.</param>
    /// <param name="heapedWhy">Why it was heaped, in the grower's words.</param>
    /// <param name="gate">What the gate says of all that was seen.</param>
    /// <remarks>Put out with one reading of 4.1 mg/L: "It was put out though it was not fit", and never "unseen".</remarks>
    public static Verdict? Says(BatchState state, string? heapedWhy, GateAnswer gate)
    {
        var why = string.Join(" ", gate.Reasons);
        return (state, gate.Fitness) switch {
            (BatchState.Heaped, _) => new(Tone.Stop, "It went on the heap.", heapedWhy ?? why),
            (BatchState.Used, Fitness.Fit) => new(Tone.Go, "It was fit, and was put out.", why),
            (BatchState.Used, Fitness.NotFit) => new(Tone.Mind, "It was put out though it was not fit.", why),
            (BatchState.Used, Fitness.Feed) => new(Tone.Mind, "It was put out as a feed.", why),
            (BatchState.Used, _) => new(Tone.Mind, "It was put out, unseen.", why),
            _ => null,
        };
    }
}
