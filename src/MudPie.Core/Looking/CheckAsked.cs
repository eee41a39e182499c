namespace MudPie.Core.Looking;

/// <summary>A layer of a spade block, from the top.</summary>
public sealed record LayerAsked
{
    /// <summary>Where it ends, cm.</summary>
    public double? ToCm { get; init; }

    /// <summary>Structure: 1 friable … 5 compact.</summary>
    public double? Score { get; init; }

    /// <summary>By a chart or in words: "10YR 3/2", "dark".</summary>
    public string? Colour { get; init; }

    /// <summary>Rust or grey spots.</summary>
    public bool Mottled { get; init; }

    /// <summary>Threads of fungi (hyphae).</summary>
    public bool Threads { get; init; }

    /// <summary>Its smell.</summary>
    public GroundSmell? Smell { get; init; }

    /// <summary>In the grower's words: "plates", "crumbs".</summary>
    public string? Says { get; init; }
}

/// <summary>How moist a depth is.</summary>
public sealed record MoistAsked
{
    /// <summary>Where it ends, cm.</summary>
    public double? ToCm { get; init; }

    /// <summary>By feel: 1 powdery, 2 barely holds, 3 a firm ball, 4 wets the hand.</summary>
    public int? Feel { get; init; }

    /// <summary>Wet weight, g.</summary>
    public double? WetG { get; init; }

    /// <summary>Dry weight, g.</summary>
    public double? DryG { get; init; }
}

/// <summary>Weeds of a kind, in frames.</summary>
public sealed record WeedAsked
{
    /// <summary>Which.</summary>
    public string? Kind { get; init; }

    /// <summary>In each frame.</summary>
    public IReadOnlyList<int>? Counts { get; init; }
}

/// <summary>A check as it was tapped or typed; kept whole. Only what belongs to its kind is read.</summary>
public sealed record CheckAsked
{
    /// <summary>Which check.</summary>
    public CheckKind? Kind { get; init; }

    /// <summary>Rod: pushes, each from the top at every 5 cm; null where a stone stopped it.</summary>
    public IReadOnlyList<IReadOnlyList<double?>>? Pushes { get; init; }

    /// <summary>Rod: the same in wheelings.</summary>
    public IReadOnlyList<IReadOnlyList<double?>>? Wheelings { get; init; }

    /// <summary>Rod: its gauge says psi and not MPa.</summary>
    public bool Psi { get; init; }

    /// <summary>Plain rod: 1 slides in … 5 won't go, at every 10 cm.</summary>
    public IReadOnlyList<int>? Feel { get; init; }

    /// <summary>Plain rod: to where it is moist and even, cm.</summary>
    public double? MoistToCm { get; init; }

    /// <summary>Moisture by depth.</summary>
    public IReadOnlyList<MoistAsked>? Moist { get; init; }

    /// <summary>Spade block: its layers.</summary>
    public IReadOnlyList<LayerAsked>? Layers { get; init; }

    /// <summary>Worms: in each block.</summary>
    public IReadOnlyList<int>? Counts { get; init; }

    /// <summary>Worms: warmth of the ground, °C.</summary>
    public double? SoilC { get; init; }

    /// <summary>Crumbs: the class of each, 0 to 6.</summary>
    public IReadOnlyList<int>? Classes { get; init; }

    /// <summary>Water: seconds for the first 25 mm.</summary>
    public double? FirstS { get; init; }

    /// <summary>Water: seconds for the second.</summary>
    public double? SecondS { get; init; }

    /// <summary>Roots, nodules, leaves: plants looked at.</summary>
    public int? Plants { get; init; }

    /// <summary>Roots: plants whose roots turn aside.</summary>
    public int? Turned { get; init; }

    /// <summary>Roots: at which depth, cm.</summary>
    public double? TurnedAtCm { get; init; }

    /// <summary>Roots: a stone was found there in a second hole.</summary>
    public bool Stone { get; init; }

    /// <summary>Roots: the deepest of each plant, cm.</summary>
    public IReadOnlyList<double>? DeepestCm { get; init; }

    /// <summary>Roots: how much is sheathed in soil.</summary>
    public Sheathed? Sheathed { get; init; }

    /// <summary>Nodules: on all plants.</summary>
    public int? Nodules { get; init; }

    /// <summary>Nodules: cut open.</summary>
    public int? Cut { get; init; }

    /// <summary>Nodules: of those, pink within.</summary>
    public int? Pink { get; init; }

    /// <summary>Leaves: on the colour card, 1 pale … 6 dark.</summary>
    public double? Card { get; init; }

    /// <summary>Leaves: in words: "flat", "curled", "mottled".</summary>
    public string? Shape { get; init; }

    /// <summary>Leaves: the old ones are yellow.</summary>
    public bool OldYellow { get; init; }

    /// <summary>Leaves: the young ones are yellow.</summary>
    public bool YoungYellow { get; init; }

    /// <summary>Leaves: plants in a metre of row, where only one number was given.</summary>
    public double? PerMetre { get; init; }

    /// <summary>Leaves: plants in each of some metres of row, so that it can be said how even they stand.</summary>
    public IReadOnlyList<int>? Stand { get; init; }

    /// <summary>Weeds, kind by kind.</summary>
    public IReadOnlyList<WeedAsked>? Weeds { get; init; }

    /// <summary>Cotton: it was laid in, and nothing is to be read yet.</summary>
    public bool Buried { get; init; }

    /// <summary>Cotton: share gone, 0 to 1.</summary>
    public double? Gone { get; init; }

    /// <summary>Cotton: weeks buried.</summary>
    public double? Weeks { get; init; }

    /// <summary>CO₂: mg C a kg in a day.</summary>
    public double? Burst { get; init; }

    /// <summary>In the grower's own words.</summary>
    public string? Note { get; init; }
}

/// <summary>A check as it was read.</summary>
/// <param name="Kind">Which.</param>
/// <param name="Figure">Its headline figure, by which it is held against others.</param>
/// <param name="Lower">Where that may lie, low end; null where nothing says.</param>
/// <param name="Upper">High end.</param>
/// <param name="Unit">"MPa", "a block", "of 8".</param>
/// <param name="Shown">"34 worms in three blocks: 11.3 a block".</param>
/// <param name="Word">"good", "slowed", "quick".</param>
/// <param name="Tone">Go, mind or stop.</param>
/// <param name="Life">What it says of the ground; null where it says nothing.</param>
/// <param name="Says">What follows, in a sentence; null for nothing.</param>
public sealed record CheckAnswer(CheckKind Kind, double Figure, double? Lower, double? Upper, string Unit, string Shown, string Word,
    Tone Tone, Life? Life, string? Says);
