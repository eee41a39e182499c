namespace MudPie.Core.Brewing;

/// <summary>How a member of the ensemble differs from the table: 1 everywhere, and nought for what may go wrong, is the table
/// itself.</summary>
/// <param name="GrowthB">Times mu_b.</param>
/// <param name="GrowthF">Times mu_f.</param>
/// <param name="YieldB">Times Y_b.</param>
/// <param name="YieldF">Times Y_f.</param>
/// <param name="Hydrolysis">Times kh.</param>
/// <param name="Alpha">Times alpha.</param>
/// <param name="Surface">Times k_surf.</param>
/// <param name="Source">Times what the source gives up.</param>
/// <param name="Food">Times the food's COD.</param>
/// <param name="Clog">How the air's transfer falls as bag and diffuser clog, per h: alpha·kLa ÷ (1 + clog·t), halved after 1 ÷ clog hours.
/// 0 in the table.</param>
/// <param name="Hidden">Slow food that nobody wrote down (fines through the mesh, a film on the wall), as a share of all food that was. 0
/// in the table.</param>
public readonly record struct Multipliers(
    double GrowthB, double GrowthF, double YieldB, double YieldF, double Hydrolysis, double Alpha, double Surface, double Source,
    double Food, double Clog = 0, double Hidden = 0)
{
    /// <summary>The table as it stands.</summary>
    public static readonly Multipliers Table = new(1, 1, 1, 1, 1, 1, 1, 1, 1);

    /// <summary>Coefficients of variation of the log-normal spreads, in the order of the members.</summary>
    public static readonly IReadOnlyList<double> Spread = [0.35, 0.35, 0.05, 0.05, 0.40, 0.20, 0.50, 0.60, 0.25];

    /// <summary>Names of the members, in the same order, as a grower would say them.</summary>
    public static readonly IReadOnlyList<string> Names =
    [
        "bacteria grow", "fungi grow", "bacteria turn food into cells", "fungi turn food into cells", "slow food breaks down",
        "air goes over", "the open surface breathes", "the source gives up life", "the food feeds",
    ];

    /// <summary>What may go wrong in a brew without anybody seeing it: usually little, at times much. value = median · e^(z + z³/4), z
    /// standard normal, no more than the most. A reasoned start; see docs/science/brew-model.md.</summary>
    /// <remarks>Clogging: one brew in two is under 0.002 per h (a twentieth of the transfer gone in a day), one in ten over 0.012, one in
    /// forty over 0.09 (half gone in eleven hours).</remarks>
    public static readonly IReadOnlyList<(string Name, double Median, double Most)> Faults =
    [
        ("the air clogs, per h", 0.002, 1), ("slow food that nobody wrote down, share of the food", 0.015, 3),
    ];

    /// <summary>Stable names of the members, in the same order, under which what was learnt is kept.</summary>
    public static readonly IReadOnlyList<string> Ids = ["growthB", "growthF", "yieldB", "yieldF", "hydrolysis", "alpha", "surface",
        "source", "food"];

    /// <summary>What was learnt, by name.</summary>
    /// <param name="learnt">One figure for each of <see cref="Ids"/>, more than 0; more are left out.</param>
    public static IReadOnlyDictionary<string, double> Named(IReadOnlyList<double> learnt) =>
        Ids.Zip(learnt).ToDictionary(x => x.First, x => x.Second);

    /// <summary>What was learnt, in the order of <see cref="Ids"/>; 1, as the table has it, for what was not known then.</summary>
    public static IReadOnlyList<double> Listed(IReadOnlyDictionary<string, double> learnt) =>
        [.. Ids.Select(id => learnt.GetValueOrDefault(id, 1))];

    private static double Fault(int which, double z) => Math.Min(Faults[which].Median * Math.Exp(z + (z * z * z / 4)), Faults[which].Most);

    /// <summary>From natural logarithms, in the order of <see cref="Names"/>, then of <see cref="Faults"/>; nine of them are a brew in
    /// which nothing goes wrong.</summary>
    public static Multipliers FromLogs(ReadOnlySpan<double> z) => new(
        Math.Exp(z[0]), Math.Exp(z[1]), Math.Exp(z[2]), Math.Exp(z[3]), Math.Exp(z[4]), Math.Exp(z[5]), Math.Exp(z[6]), Math.Exp(z[7]),
        Math.Exp(z[8]),
        z.Length > 9 ? Fault(0, z[9]) : 0, z.Length > 10 ? Fault(1, z[10]) : 0);
}

/// <summary>The parameters of the brew model, per hour and mg/L at 20 °C. Sources and limits: docs/science/brew-model.md.</summary>
internal readonly struct BrewParameters
{
    public const double HalfFastB = 25, HalfFoodF = 200;      // Ks_b, Ks_f
    public const double HalfOxygenB = 0.3, HalfOxygenF = 0.6; // Ko_b, Ko_f
    public const double HalfCells = 30;                       // Kh
    public const double DecayB = 0.010, DecayF = 0.006;       // b_b, b_f
    public const double Beta = 0.97, Theta = 1.024;
    public const double Release = 1.2;                        // k_ext
    public const double StillShare = 0.15;                    // of k_surf, with the air off
    public const double FreeAtStart = 0.05;                   // of B_src, F_src
    public const double AlphaTable = 0.7;
    public const double OxygenInAir = 278.7;                  // mg O₂ per L of air

    public readonly double MuB, MuF, PerYieldB, PerYieldF, SpentB, SpentF, Hydrolysis, Alpha, Surface, Source, Food, Clog, Hidden;

    public BrewParameters(in Multipliers m)
    {
        var yieldB = Math.Min(0.60 * m.YieldB, 0.95);
        var yieldF = Math.Min(0.50 * m.YieldF, 0.95);
        MuB = 0.28 * m.GrowthB;
        MuF = 0.24 * m.GrowthF;
        PerYieldB = 1 / yieldB;
        PerYieldF = 1 / yieldF;
        SpentB = (1 - yieldB) / yieldB;
        SpentF = (1 - yieldF) / yieldF;
        Hydrolysis = 0.04 * m.Hydrolysis;
        Alpha = Math.Min(AlphaTable * m.Alpha, 1.5);
        Surface = 1.0 * m.Surface;
        Source = m.Source;
        Food = m.Food;
        Clog = m.Clog;
        Hidden = m.Hidden;
    }
}
