namespace MudPie.Core.Mixing;

/// <summary>A material of a heap, as typed.</summary>
public sealed record HeapPartAsked
{
    /// <summary>A material of the table.</summary>
    public string? MaterialId { get; init; }

    /// <summary>By volume or by weight, as it lies: "200 L", "60 kg"; empty for the one to be solved.</summary>
    public string? Amount { get; init; }
}

/// <summary>A heap as it is asked for; kept whole.</summary>
public sealed record HeapAsked
{
    /// <summary>What it is called.</summary>
    public string? Name { get; init; }

    /// <summary>Where it lies, in words.</summary>
    public string? Place { get; init; }

    /// <summary>Carbon to nitrogen that is wanted, as typed; empty for 30.</summary>
    public string? TargetCn { get; init; }

    /// <summary>1 to 20 materials.</summary>
    public IReadOnlyList<HeapPartAsked> Parts { get; init; } = [];

    /// <summary>Days above 55 °C that the grower's own code wants, as typed; empty for 15.</summary>
    public string? CodeDays { get; init; }

    /// <summary>True where the code counts only days in a row.</summary>
    public bool CodeInARow { get; init; }

    /// <summary>Turnings that the code wants while it is hot, as typed; empty for 5.</summary>
    public string? CodeTurns { get; init; }
}

/// <summary>What the grower's own code counts.</summary>
/// <param name="Days">Days above 55 °C.</param>
/// <param name="InARow">Whether only days in a row count.</param>
/// <param name="Turns">Turnings while it is hot.</param>
public sealed record HeapCode(double Days, bool InARow, int Turns)
{
    /// <summary>What many codes for turned windrows count: fifteen days, five turnings.</summary>
    public static readonly HeapCode Usual = new(15, false, 5);
}

/// <summary>A heap worked out, before it is built.</summary>
/// <param name="Recipe">C:N, water, and what is missing.</param>
/// <param name="CnLow">C:N, where sources are a third off: low end.</param>
/// <param name="CnHigh">High end.</param>
/// <param name="Missing">The material that was solved; null for none.</param>
/// <param name="MissingL">L of it.</param>
/// <param name="MissingLowKg">kg, low end of the band.</param>
/// <param name="MissingHighKg">kg, high end; null where no amount reaches it.</param>
/// <param name="AddWaterL">Water to add as it is built, to 55 %; 0 where it is wet enough.</param>
/// <param name="VolumeL">What it measures as it is laid.</param>
/// <param name="Kg">What it weighs.</param>
/// <param name="GroundsShare">Coffee grounds, share of the volume.</param>
/// <param name="Parts">Each material with its amounts.</param>
/// <param name="Verdict">What to do.</param>
public sealed record HeapBenchAnswer(CompostAnswer Recipe, double CnLow, double CnHigh, string? Missing, double? MissingL,
    double? MissingLowKg, double? MissingHighKg, double AddWaterL, double VolumeL, double Kg, double GroundsShare,
    IReadOnlyList<HeapPart> Parts, Verdict Verdict);

/// <summary>A material in a heap.</summary>
/// <param name="Of">What.</param>
/// <param name="Kg">As it lies.</param>
/// <param name="Litres">As it lies.</param>
public sealed record HeapPart(Material Of, double Kg, double Litres);
