namespace MudPie.Core.Mixing;

/// <summary>Question of the calculator mix: several mixes that are made at once.</summary>
public sealed record MixesQuestion
{
    /// <summary>Litres of one pot, filled: 0.001 to 1,000,000. A bed is one pot.</summary>
    public double? PotL { get; init; }

    /// <summary>Made beyond what the pots hold, as a share of it: 0 to 1.</summary>
    public double? SpareShare { get; init; }

    /// <summary>Lost as fines fill the gaps: 0 to 0.5 of what the parts measure loose.</summary>
    public double? MixingLossShare { get; init; }

    /// <summary>Lost as it is watered in: 0 to 0.5.</summary>
    public double? SettleShare { get; init; }

    /// <summary>A part that is charged with another before it goes in; null where none is.</summary>
    public Precharge? Precharged { get; init; }

    /// <summary>1 to 50 mixes.</summary>
    public IReadOnlyList<MixParts>? Mixes { get; init; }
}

/// <summary>A part that takes up another for some weeks before it is used: char with castings.</summary>
public sealed record Precharge
{
    /// <summary>The part that is charged: "char".</summary>
    public string? Of { get; init; }

    /// <summary>What it is charged with: "castings".</summary>
    public string? With { get; init; }

    /// <summary>Litres of that to one of the part, above 0 to 100; null: the most that every mix can bear.</summary>
    public double? Ratio { get; init; }
}

/// <summary>One mix.</summary>
public sealed record MixParts
{
    /// <summary>What it is called; no two alike.</summary>
    public string? Name { get; init; }

    /// <summary>Pots to be filled, whole, 1 to 1,000,000.</summary>
    public double? Pots { get; init; }

    /// <summary>Share of each part in the loose mix, 0 to 1; they add up to 1.</summary>
    public IReadOnlyDictionary<string, double>? Parts { get; init; }
}

/// <summary>One mix, in litres of each part as it is measured loose.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="FinishedL">Mixed and settled, with the spare.</param>
/// <param name="LooseL">What its parts measure before they are mixed.</param>
/// <param name="Litres">Each part; the charged one is called "charged X" and holds what it was charged with.</param>
public sealed record MixedMix(string Name, double FinishedL, double LooseL, IReadOnlyDictionary<string, double> Litres);

/// <summary>All of them.</summary>
/// <param name="Mixes">In the order asked.</param>
/// <param name="Total">What goes into the mixes, over all of them, L.</param>
/// <param name="Charging">What goes into the charge, L; empty where nothing is charged.</param>
/// <param name="MostRatio">The most of a charge that every mix can bear; null where no mix holds what is charged.</param>
public sealed record MixesAnswer(IReadOnlyList<MixedMix> Mixes, IReadOnlyDictionary<string, double> Total,
    IReadOnlyDictionary<string, double> Charging, double? MostRatio);
