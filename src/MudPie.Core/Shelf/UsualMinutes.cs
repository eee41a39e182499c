using MudPie.Core.Measures;

namespace MudPie.Core.Shelf;

/// <summary>How long a step usually takes.</summary>
/// <param name="Id">Its stable name.</param>
/// <param name="Name">What is done.</param>
/// <param name="Of">Of which work it is.</param>
/// <param name="Minutes">Of hands, not of waiting.</param>
public sealed record UsualStep(string Id, string Name, string Of, double Minutes);

/// <summary>Minutes of hands for each step where nobody logged them: the house's, or the grower's own in their place.</summary>
/// <param name="own">The grower's own, by step; null or empty for none.</param>
public sealed class UsualMinutes(IReadOnlyDictionary<string, double>? own = null)
{
    /// <summary>The house's. Source: house rule, by the clock.</summary>
    public static readonly IReadOnlyList<UsualStep> House =
    [
        new("brew-fill", "filling the vessel", "a brew", 10), new("brew-clear", "clearing the water", "a brew", 5),
        new("brew-strip", "a chlorine strip", "a brew", 5), new("brew-source", "the source in its bag", "a brew", 15),
        new("brew-foods", "weighing and giving foods", "a brew", 10), new("brew-thinning", "water for thinning", "a brew", 10),
        new("brew-check", "the check before it goes out", "a brew", 10), new("brew-look", "a look at it, with a reading", "a brew", 3),
        new("out-set", "setting out, and washing up after", "putting out", 15), new("out-load", "a filling", "putting out", 6),
        new("out-100m2", "each 100 m²", "putting out", 1), new("out-way", "the way there and back, where it is far", "putting out", 0),
        new("mix-charge", "charging char", "mixing", 20), new("mix-check", "looking at the charge", "mixing", 3),
        new("mix-mix", "mixing", "mixing", 40), new("mix-fill", "filling pots or a bed", "mixing", 40),
        new("heap-layer", "a layer on a heap", "the yard", 15), new("heap-turn", "turning a heap", "the yard", 30),
        new("heap-look", "a look at a heap", "the yard", 3), new("heap-sieve", "sieving", "the yard", 60),
        new("worms-feed", "feeding worms", "the yard", 10), new("worms-harvest", "harvesting castings", "the yard", 45),
        new("burn", "a step at a burn", "the yard", 20), new("prep", "a step at a preparation", "the yard", 30),
        new("yard-other", "any other step in the yard", "the yard", 5),
        new("look-check", "a check with the spade", "looking", 8), new("look-brix", "a visit with the refractometer", "looking", 10),
        new("look-pests", "a count of pests", "looking", 5), new("look-tally", "a count at the microscope", "looking", 25),
        new("look-sheet", "a sample for a lab", "looking", 20),
        new("trial-plan", "asking the question and drawing lots", "a trial", 60), new("trial-lay", "laying out a plot", "a trial", 6),
        new("trial-treat", "putting it on a plot", "a trial", 3), new("trial-read", "a figure of a plot", "a trial", 3),
    ];

    private static readonly Dictionary<string, UsualStep> ById = House.ToDictionary(s => s.Id);

    /// <summary>Of a step.</summary>
    /// <param name="id">One of <see cref="House"/>; a step that is not known takes no time.</param>
    /// <remarks>"out-load": 6, unless the grower said 9.</remarks>
    public double Of(string id) => own is not null && own.TryGetValue(id, out var mine) ? mine : ById.GetValueOrDefault(id)?.Minutes ?? 0;

    /// <summary>True where the grower said it.</summary>
    public bool Own(string id) => own?.ContainsKey(id) == true;

    /// <summary>What a step is called.</summary>
    public static string Name(string id) => ById.GetValueOrDefault(id)?.Name ?? id;

    /// <summary>The hands' part of a step of a brew's plan; null for what belongs to putting it out, or is done before.</summary>
    /// <param name="planId">As the plan names it: "fill", "feed-6".</param>
    /// <remarks>"feed-6" is "brew-foods"; "use", "wash", "shop", "sprayer" and "air-off" are none.</remarks>
    public static string? OfPlan(string planId) => planId switch {
        "fill" or "clear" or "strip" or "source" or "foods" or "thinning" or "check" => $"brew-{planId}",
        _ => planId.StartsWith("feed-", StringComparison.Ordinal) ? "brew-foods" : null,
    };

    /// <summary>Of a step at a heap.</summary>
    public static string OfHeap(HeapStep step) => step switch {
        HeapStep.Layer => "heap-layer",
        HeapStep.Turned => "heap-turn",
        HeapStep.Sieved => "heap-sieve",
        _ => "heap-look",
    };

    /// <summary>Of a step of mixing.</summary>
    public static string OfMix(MixStep step) => step switch {
        MixStep.Charged => "mix-charge",
        MixStep.Checked => "mix-check",
        MixStep.Mixed => "mix-mix",
        _ => "mix-fill",
    };

    /// <summary>Of a step in the yard.</summary>
    public static string OfWork(WorkStep step) => step switch {
        WorkStep.Fed or WorkStep.Bedding => "worms-feed",
        WorkStep.Harvested => "worms-harvest",
        WorkStep.Lit or WorkStep.Fuelled or WorkStep.Quenched or WorkStep.DugOver => "burn",
        WorkStep.Hung or WorkStep.Buried or WorkStep.Lifted or WorkStep.Stirred => "prep",
        WorkStep.Sampled => "look-sheet",
        _ => "yard-other",
    };

    /// <summary>Work of a job, min: what making took, setting out, each filling, the ground covered, the way.</summary>
    /// <param name="making">What making took, 0 or more, min.</param>
    /// <param name="loads">Fillings, 0 or more.</param>
    /// <param name="area">The ground.</param>
    /// <remarks>40 min of making, 3 fillings, 600 m²: 40 + 15 + 18 + 6 = 79 min by the house's.</remarks>
    public double Job(double making, int loads, SquareMetres area) =>
        making + Of("out-set") + Of("out-way") + (loads * Of("out-load")) + (area.Value / 100 * Of("out-100m2"));
}
